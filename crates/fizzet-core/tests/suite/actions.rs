//! Mistakes in the actions of `trap`, and what such an action sees.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

#[test]
fn a_mistake_ends_the_action_or_the_shell() {
    let line = "trap ': $((1/0)); label t' USR1; kill -USR1 $$; label jar";
    check(line, &[(&[Bash, Ksh93, Zsh], "jar")], "");
    let line = "trap ': ${x?}; label t' ERR; false; label jar";
    check(line, &[(&[Ksh93, Busybox], "jar"), (&[Posix, Dash], "jar")], "");
}

#[test]
fn a_wrong_use_of_a_utility_ends_ksh93_all_the_same() {
    assert_eq!(told(Ksh93, "trap 'shift 99; label t' ERR; false; label jar"), "");
    assert_eq!(told(Zsh, "trap 'shift 99; label t' ZERR; false; label jar"), "t jar");
}

#[test]
fn loops_are_not_seen_from_the_actions_of_mksh() {
    let line = "trap 'break; label t' ERR; for i in 1 2; do false; label $i; done; label end";
    assert_eq!(told(Mksh, line), "t 1 t 2 end");
    assert_eq!(told(Bash, line), "end");
}

#[test]
fn set_e_does_not_count_in_an_action_for_debug_of_zsh() {
    assert_eq!(told(Zsh, "set -e; trap 'false; label t' DEBUG; label jar"), "t jar");
}

#[test]
fn a_failing_return_ends_zsh_inside_the_function() {
    let line = "set -e; trap 'label bye' EXIT; f() { return 1; }; f; label after";
    check(line, &[(&[Zsh], "")], "bye");
}

#[test]
fn exit_in_a_substitution_takes_the_status_that_the_shell_ends_with() {
    assert_eq!(told(Bash, "trap '(exit 5); v=$(exit); label $?' EXIT; exit 3"), "3");
    assert_eq!(told(Bash, "trap '(exit 5); (exit); label $?' EXIT; exit 3"), "5");
}

#[test]
fn bash_keeps_the_function_that_a_mistake_has_ended_under_set_e() {
    let line = "f() { local l=in; : ${x?}; }; trap 'label \"$1\" \"$l\"' EXIT; f own";
    assert_eq!(told(Bash, &format!("set -e; {line}")), "own,in");
    assert_eq!(told(Bash, line), ",");
}
