//! The lines that actions of `trap` tell, and which functions and files have those actions.

use crate::labels::{labels, labels_in};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Ksh93, Mksh, Zsh};
use fizzet_core::source::SourceKind;

/// What a text tells: words with commas between them, commands with spaces.
fn told(shell: Shell, text: &str) -> String {
    let all = labels(shell, text, &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(shell: Shell, text: &str, expected: &str) {
    assert_eq!(told(shell, text), expected, "{shell}: {text}");
}

/// The same of a script.
fn in_file(shell: Shell, text: &str) -> Vec<Vec<String>> {
    labels_in(SourceKind::File(b"script"[..].into()), shell, text, &[])
}

const DEBUG: &str = "trap 'label $LINENO' DEBUG\n";

#[test]
fn a_command_counts_where_the_parser_knows_what_it_is() {
    for (command, line) in [
        (": a", "2"),
        (": 'a\nb' c", "3"),
        (": a 'b\nc'", "2"),
        (": \\\n a", "3"),
        (": >f 'a\nb'", "2"),
        ("jar='a\nb'", "3"),
        ("[[ a == \\\n a ]]", "3"),
        ("(( 1 +\n 2 ))", "3"),
        ("case 'a\nb' in x) ;; esac", "3"),
    ] {
        check(Bash, &format!("{DEBUG}{command}"), line);
    }
}

#[test]
fn the_expressions_of_a_loop_have_its_line() {
    let text = format!("{DEBUG}for ((i=0;\ni<1;\ni++))\ndo\n :\ndone");
    check(Bash, &text, "2 2 6 2 2");
}

#[test]
fn functions_tell_the_line_of_their_body_or_of_return() {
    let function = "set -T\ntrap 'label $LINENO' RETURN\njar() {\n :\n";
    check(Bash, &format!("{function}}}\njar"), "3");
    check(Bash, &format!("{function} return\n :\n}}\njar"), "5");
    check(Bash, "set -T\njar()\n\n{\n :\n}\ntrap 'label $LINENO' DEBUG\njar", "8 4 5");
}

#[test]
fn marked_functions_have_the_actions() {
    let (jar, trap) = ("jar() { label in; }; ", "trap 'label d' DEBUG; ");
    check(Bash, &format!("{jar}{trap}jar"), "d in");
    check(Bash, &format!("{jar}declare -ft jar; {trap}jar"), "d d d in");
    check(Bash, &format!("{jar}declare -ft jar; trap 'label r' RETURN; jar"), "in r");
    let handler = "set -T; note() { label d; }; trap 'label r' RETURN; trap note DEBUG; :";
    check(Bash, handler, "d");
}

#[test]
fn a_subshell_that_fails_counts_at_its_end() {
    check(Bash, "trap 'label $LINENO' ERR\n(\nfalse\n\n)", "5");
    for (shell, count) in [(Bash, 2), (Ksh93, 2), (Mksh, 1)] {
        let twice = told(shell, "trap 'label e' ERR; : | (exit 3)");
        assert_eq!(twice.split(' ').count(), count, "{shell}");
    }
    check(Bash, "trap 'label e' ERR; ! : | (exit 3); label x", "e x");
}

#[test]
fn signals_and_the_end_tell_lines_as_each_shell_does() {
    let text = "trap 'label $LINENO' USR1\n:\nkill -USR1 $$\n";
    for (shell, line) in [(Bash, "1"), (Busybox, "3"), (Ksh93, "3"), (Zsh, "3")] {
        assert_eq!(in_file(shell, text), [[line]], "{shell}");
    }
    let exits = "trap 'label $LINENO' EXIT\njar() {\n\nexit\n}\njar\n";
    for (shell, line) in [(Bash, "1"), (Busybox, "6"), (Mksh, "4"), (Zsh, "6")] {
        assert_eq!(in_file(shell, exits), [[line]], "{shell}");
    }
}
