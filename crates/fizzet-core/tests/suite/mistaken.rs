//! What is left of an expression, a status or a text when a mistake ends it.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};
use proptest::prelude::*;

/// Those that evaluate an expression while they read it, and have `let`.
const READING: [Shell; 4] = [Bash, Busybox, Mksh, Zsh];

proptest! {
    #[test]
    fn what_a_comma_has_closed_is_assigned(
        values in prop::collection::vec(0u8..100, 1..6),
        broken in prop::sample::select(vec![")", "1 2", "3 +", "jar = )", "(4", "? 1"]),
    ) {
        let assigned: Vec<String> =
            values.iter().enumerate().map(|(at, value)| format!("h{at}={value}, ")).collect();
        let names: Vec<String> = (0..values.len()).map(|at| format!("${{h{at}-none}}")).collect();
        let line = format!("let '{}{broken}'; label {}", assigned.concat(), names.join(" "));
        let all: Vec<String> = values.iter().map(u8::to_string).collect();
        for shell in READING {
            prop_assert_eq!(told(shell, &line), all.join(","), "{}: {}", shell, line);
        }
        let none = vec!["none"; values.len()].join(",");
        prop_assert_eq!(told(Ksh93, &line), none, "{}", line);
    }
}

#[test]
fn what_decides_nothing_is_not_evaluated_before_a_mistake_either() {
    for shell in [Bash, Mksh, Zsh] {
        let left =
            |expression: &str| told(shell, &format!("let '{expression}'; label ${{jar-none}}"));
        assert_eq!(left("1 && (jar = 2, )"), "2", "{shell}");
        assert_eq!(left("0 && (jar = 2, )"), "none", "{shell}");
        assert_eq!(left("1 || (jar = 2, )"), "none", "{shell}");
        assert_eq!(left("0 ? (jar = 2, ) : 3"), "none", "{shell}");
        assert_eq!(left("hive = (0 && (jar = 2, ))"), "none", "{shell}");
    }
    assert_eq!(told(Bash, "let 'jar = (0 && )'; label ${jar-none}"), "none");
}

#[test]
fn a_variable_is_read_before_the_mistake_on_its_right_or_behind_it() {
    let line = "jar='lid = 7'; let 'jar += )'; label \"$jar\" ${lid-none}";
    assert_eq!(told(Bash, line), "lid = 7,7");
    assert_eq!(told(Zsh, line), "lid = 7,none");
    assert_eq!(told(Mksh, line), "lid = 7,7");
    // In mksh a mistake in the text of a variable ends the shell.
    let line = "jar='1 2'; let 'jar += ++3'; label after";
    assert_eq!(told(Mksh, line), "");
    assert_eq!(told(Bash, line), "after");
}

#[test]
fn mistaken_words_leave_the_status_that_was_there_in_zsh() {
    let left = |shell, commands: &str| told(shell, &format!("({commands}); label $?"));
    for (commands, status) in [
        ("(exit 3); : $((1 2))", "3"),
        (": $((1 2))", "1"),
        ("(exit 3); f() { (exit 4); : $((1 2)); }; f", "4"),
        ("(exit 3); jar=$((1 2))", "1"),
        ("(exit 3); case $((1 2)) in 1) ;; esac", "0"),
        ("(exit 3); while : $((1 2)); do :; done", "0"),
        ("(exit 3); until : $((1 2)); do :; done", "1"),
        ("i=0; while [ $i = 0 ] || : $((1 2)); do i=1; (exit 5); done", "5"),
    ] {
        assert_eq!(left(Zsh, commands), status, "{commands}");
        assert_eq!(left(Bash, commands), "1", "{commands}");
        assert_eq!(left(Dash, commands), "2", "{commands}");
    }
}

#[test]
fn a_mistake_in_a_subshell_carries_no_action_out_in_zsh() {
    let line = "(trap 'label left' EXIT; : $((1 2))); label after";
    check(line, &[(&[Zsh], "after")], "left after");
    let line = "(trap 'label left' EXIT; :); label after";
    check(line, &[], "left after");
}

#[test]
fn a_subscript_ends_with_its_word_in_zsh() {
    assert_eq!(told(Zsh, "jar=lid; label \"$jar[1 ]\" ${jar[1 ]} $jar[$((1 + 1))]"), "l,l,i");
    assert_eq!(told(Zsh, "jar=lid; label before; label $jar[1 ]; label after"), "before");
    assert_eq!(told(Zsh, "label before; label $jar[1;label after"), "before");
}

#[test]
fn loops_of_bash_have_three_clauses() {
    assert_eq!(told(Bash, "for ((i = 0; i < 2; i, i++)); do label $i; done"), "0 1");
    assert_eq!(told(Bash, "for ((i = 0; i < 2; i; i++)); do label $i; done; label after"), "");
    assert_eq!(told(Zsh, "for ((i = 0; i < 1; i++)); do label $i; done"), "0");
}

#[test]
fn a_dash_behind_a_copy_is_a_word_or_the_end_of_one() {
    assert_eq!(told(Bash, "label a >&-jar"), "a,jar");
    assert_eq!(told(Bash, "label a >&jar-; label $?"), "1");
    assert_eq!(told(Bash, "label a >&1-; label $?"), "a 0");
    assert_eq!(told(Dash, "label a >&-jar"), "");
}

#[test]
fn words_that_are_reserved_are_no_aliases_inside_of_aliases() {
    let replaced = |shell: Shell, aliases: &str, line: &str| {
        let first = if shell == Bash { "shopt -s expand_aliases\n" } else { "" };
        told(shell, &format!("{first}alias {aliases}\n{line}"))
    };
    for shell in [Posix, Dash, Busybox, Ksh93, Mksh] {
        assert_eq!(replaced(shell, "l='! ' !=label", "l [ a ]; label $?"), "1", "{shell}");
    }
    assert_eq!(replaced(Bash, "l='! ' !=label", "l a"), "a");
    for shell in [Bash, Dash, Ksh93, Mksh] {
        assert_eq!(replaced(shell, "!=label", "jar=1 ! a"), "a", "{shell}");
    }
    assert_eq!(replaced(Bash, "{='label '", "hive() { label in; }; hive"), "in");
    assert_eq!(replaced(Busybox, "hive=jar", "function hive { label in; }; jar"), "in");
    assert_eq!(replaced(Ksh93, "l='; label b'", "l c\nlabel d"), "b,c d");
    assert_eq!(replaced(Dash, "l='; label b'", "l c\nlabel d"), "");
}

#[test]
fn names_move_in_ksh93_and_numbers_are_characters_in_mksh() {
    let line = "jar=3; typeset -m lid=jar; label $lid ${jar-none}";
    assert_eq!(told(Ksh93, line), "3,none");
    assert_eq!(told(Ksh93, "typeset -m jar; label after"), "");
    assert_eq!(told(Ksh93, "readonly jar=3; typeset -m lid=jar; label after"), "");
    assert_eq!(told(Mksh, "label \"$(print -A 72 1+104 0x2116)\""), "Hi\u{2116}");
    assert_eq!(told(Mksh, "print -A 1+; label $?"), "1");
}

#[test]
fn arrays_end_where_the_shell_has_it() {
    assert_eq!(told(Ksh93, "jar[4194303]=a; label $?; jar[4194304]=a; label after"), "0");
    assert_eq!(
        told(Zsh, "jar=(a b c); unset 'jar[-2]'; label $jar; unset 'jar[-1]'; label $#jar $jar"),
        "a,b,c 3,a,b"
    );
    assert_eq!(told(Zsh, "jar=(a b); jar+=([-1]=c); label after"), "");
    assert_eq!(told(Bash, "jar=(a b); jar+=([-1]=c); label ${jar[@]}"), "a,c");
}
