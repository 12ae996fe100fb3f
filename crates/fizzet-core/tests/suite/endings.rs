//! What ends a shell and what is seen then: signals, actions, and the status of what ran beside.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Zsh};

#[test]
fn the_action_for_exit_sees_what_each_shell_makes_of_a_signal() {
    let line = "trap 'label $?' EXIT; (exit 4); kill -TERM $$; label no";
    check(line, &[(&[Bash], "0"), (&[Ksh93], "4"), (&[Mksh], "143")], "");
    let line = "trap 'label $?' EXIT; (exit 4); f() { kill -TERM $$; }; f; label no";
    check(line, &[(&[Bash], "0"), (&[Ksh93], "271"), (&[Mksh], "143")], "");
}

#[test]
fn some_signals_leave_no_time_and_some_do_nothing() {
    let line = "trap 'label bye' EXIT; kill -HUP $$; label no";
    check(line, &[(&[Bash, Ksh93, Zsh], "bye")], "");
    let line = "kill -QUIT $$; label still";
    check(line, &[(&[Bash, Busybox, Zsh], "still")], "");
}

#[test]
fn a_signal_from_a_substitution_comes_before_the_command() {
    check("label jar $(kill -TERM $$); label no", &[(&[Mksh], "jar")], "");
    let line = "trap 'label u' USR1; label jar $(kill -USR1 $$)";
    check(line, &[(&[Zsh], "u jar")], "jar u");
}

#[test]
fn the_status_behind_a_substitution_may_be_that_of_what_ran_beside() {
    let line = "(exit 5); label $( (exit 2) | (exit 3) ) $?";
    check(line, &[(&[Bash, Zsh], "3"), (&[Ksh93], "2"), (&[Mksh], "0")], "5");
    let line = "(exit 5); x=$( (exit 2) | (exit 3) ); label $?";
    check(line, &[], "3");
}

#[test]
fn debug_comes_before_lists_in_zsh_and_before_forks_in_bash() {
    let line = "trap 'label d' DEBUG; true && label a";
    check(line, &[(&[Bash, Ksh93], "d d a"), (&[Zsh], "d a")], "a");
    let line = "trap 'label d' DEBUG; true | true";
    check(line, &[(&[Bash], "d d"), (&[Ksh93, Zsh], "d")], "");
}

#[test]
fn the_action_for_exit_is_alone_in_zsh() {
    let line = "trap 'label e' ERR; trap 'false; label in' EXIT";
    assert_eq!((told(Zsh, line), told(Bash, line)), ("in".into(), "e in".into()));
    let line = "f() { trap 'label f' EXIT; label in; }; trap f EXIT";
    assert_eq!(told(Zsh, line), "in");
}

#[test]
fn select_leaves_an_empty_reply_at_the_end_of_its_input() {
    let line = "select x in hive jar; do label $x; done <<<2; label \"$?$REPLY\"";
    for (shell, expected) in [(Bash, "jar 1"), (Ksh93, "jar 1"), (Mksh, "jar 1"), (Zsh, "jar 0")] {
        assert_eq!(told(shell, line), expected, "{shell}");
    }
    let line = "select x in; do :; done; label $?";
    assert_eq!((told(Mksh, line), told(Bash, line)), ("1".into(), "0".into()));
}

#[test]
fn a_sign_before_a_parenthesis_is_a_pattern_where_there_are_groups() {
    check("!(label in)", &[(&[Ksh93, Mksh, Zsh], "")], "in");
    check("! (label in)", &[], "in");
}

#[test]
fn aliases_may_close_compound_commands() {
    let line = "alias D=do E=done\neval 'for x in 1; D label $x; E'";
    assert_eq!((told(Zsh, line), told(Dash, line)), ("1".into(), "1".into()));
}

proptest! {
    #[test]
    fn the_status_of_a_lone_substitution_is_that_of_its_last_command(
        first in 0u8..=20,
        last in 0u8..=20,
        shell in prop::sample::select(Shell::ALL.to_vec()),
    ) {
        let line = format!("x=$( (exit {first}) | (exit {last}) ); label $?");
        prop_assert_eq!(told(shell, &line), last.to_string());
    }
}
