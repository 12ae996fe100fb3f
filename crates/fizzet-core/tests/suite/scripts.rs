//! What a script in a file does otherwise than the same text behind `-c`, and what it does alike.

use crate::labels::{labels, labels_in};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Ksh93, Mksh, Zsh};
use fizzet_core::source::SourceKind;
use proptest::prelude::*;

const PARAMETERS: [&str; 3] = ["lime honey", "", "-x"];

/// What a script tells, in one text: words with commas between them, commands with spaces.
fn script(shell: Shell, text: &str) -> String {
    let kind = SourceKind::File(b"jars"[..].into());
    joined(&labels_in(kind, shell, text, &PARAMETERS))
}

/// What the same text tells behind `-c`.
fn text(shell: Shell, text: &str) -> String {
    joined(&labels(shell, text, &PARAMETERS))
}

fn joined(all: &[Vec<String>]) -> String {
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

/// Checks what a text tells as a script and behind `-c`.
fn check(shell: Shell, written: &str, as_script: &str, as_text: &str) {
    assert_eq!(script(shell, written), as_script, "{shell}, a script: {written}");
    assert_eq!(text(shell, written), as_text, "{shell}, behind -c: {written}");
}

#[test]
fn mistakes_leave_other_statuses_behind() {
    check(Bash, "trap 'label $?' EXIT; : ${hive?}", "1", "127");
    check(Bash, "trap 'label $?' EXIT; set -u; : $hive", "1", "127");
    check(Bash, "trap 'label $?' EXIT; set -e; : ${hive?}", "1", "1");
    check(Bash, "(: ${hive?}); label $?", "1", "1");
    check(Bash, "label >${hive?}; label $?", "1", "127");
    check(Bash, "(label a) >${hive?}; label $?", "1", "127");
    check(Bash, "readonly jar\n: ${jar=1}; label a\nlabel $?", "2", "1");
    check(Bash, "readonly jar; (: ${jar=1}); label $?", "2", "2");
    check(Bash, "readonly jar; eval ': ${jar=1}'; label $?", "1", "1");
    check(Bash, ": ${jar=$((1/0))}; label a\nlabel $?", "1", "1");
}

#[test]
fn mistakes_in_slices_end_a_line_only() {
    for mode in ["set +o posix", "set -o posix"] {
        let line = format!("{mode}\nx=honey; label ${{x:1/0}}; label a\nlabel $?");
        check(Bash, &line, "1", "1");
    }
    check(Bash, "set -o posix\nx=honey; label $((1/0)); label a\nlabel $?", "", "");
    check(Bash, "set -o posix\nx=honey; label ${x:$((1/0))}; label a\nlabel $?", "", "");
}

#[test]
fn the_action_for_exit_sees_what_commands_were_given() {
    let line = |command: &str| format!("trap 'label ${{jar-unset}}' EXIT; {command}");
    check(Bash, &line("jar=7 exit 3"), "7", "unset");
    check(Bash, &line("jar=7 eval 'exit 3'"), "7", "unset");
    check(Bash, &line("f() { exit 3; }; jar=7 f"), "7", "7");
    check(Bash, "(trap 'label ${jar-unset}' EXIT; jar=7 exit 3)", "7", "7");
}

#[test]
fn a_mistake_shows_the_name_of_the_script() {
    let line = "f() { readonly r=1; r=2; }\nlabel \"${FUNCNAME[@]}\"\nf\nlabel \"${FUNCNAME[@]}\"";
    check(Bash, line, " main", " ");
}

#[test]
fn functions_hide_the_action_for_exit_from_some_mistakes() {
    let line = |options: &str, mistake: &str| {
        format!("{options}\ntrap 'label bye' EXIT; f() {{ {mistake}; }}; f; label after")
    };
    check(Zsh, &line("", ": ${hive?}"), "", "");
    check(Zsh, &line("", ": $((1/0))"), "bye", "");
    check(Zsh, &line("set -e", ": $((1/0))"), "", "");
    check(Zsh, &line("setopt posixtraps", ": ${hive?}"), "bye", "bye");
    check(Zsh, "trap 'label bye' EXIT; : ${hive?}; label after", "bye", "bye");
    check(Zsh, "(trap 'label bye' EXIT; : ${hive?}); label after", "after", "after");
}

#[test]
fn the_end_of_a_script_has_a_line() {
    check(Zsh, "trap 'label $LINENO' EXIT\n:\n:\n", "4", "1");
    check(Zsh, "trap 'label $LINENO' EXIT\n:\nexit\n", "3", "3");
    check(Zsh, "label \"${ZSH_SCRIPT-unset}\"", "jars", "unset");
    check(Mksh, "[ -o '' ]; label $?", "1", "0");
}

#[test]
fn a_script_may_go_on_behind_mistakes() {
    let line = "setopt continueonerror\nf() { : $((1/0)); label in; }\nf; label same\nlabel $?";
    check(Zsh, line, "1", "");
    let line = "setopt continueonerror\n: ${hive?}\nlabel after";
    check(Zsh, line, "", "");
}

#[test]
fn zsh_reads_scripts_line_by_line_and_texts_at_once() {
    for (aliases, line, expected) in [
        ("a='label x'", "2>&1 a", "x"),
        ("a='label x' b='a '", "b b", "x,label,x"),
        ("a='label x'", "a\\\n b", "x,b"),
        ("t='label\t' w=W", "t w", "w"),
        ("t='label ' w=W", "t w", "W"),
        ("t='label \\' w=W", "t w", " w"),
        ("t='for ' w='i in'", "t w jar; do label $i; done", "jar"),
        ("t='a=( ' w='y z'", "t w ); label $a", "y,z"),
    ] {
        let text = format!("alias {aliases}\n{line}");
        assert_eq!(script(Zsh, &text), expected, "{text}");
        assert_ne!(self::text(Zsh, &text), expected, "{text}");
    }
}

#[test]
fn words_behind_blanks_of_aliases_are_looked_up_everywhere() {
    let line = |alias: &str, rest: &str| {
        format!("shopt -s expand_aliases\nalias t='{alias} ' w='g'\n{rest}")
    };
    for shell in [Bash, Busybox, Mksh, Zsh] {
        let written = line("function", "t w { label a; }\ng");
        assert_eq!(script(shell, &written), "a", "{shell}");
    }
    for shell in [Bash, Mksh, Zsh] {
        let written = line("[[ g =", "t w ]]; label $?");
        assert_eq!(script(shell, &written), "0", "{shell}");
    }
    for shell in [Ksh93, Mksh, Zsh] {
        let written = line("a=(", "t w ); label \"${a[@]}\"");
        assert_eq!(script(shell, &written), "g", "{shell}");
    }
}

#[test]
fn ksh93_leaves_the_last_argument_of_lines() {
    check(Ksh93, "true a b\nlabel $_", "b", "b");
    check(Ksh93, "true a; true b\nlabel \"$_\"", "", "");
    check(Ksh93, "true a\nf() { label $_; true q; }\nf x\nlabel $_", "a x", "a x");
    check(Ksh93, "true a\n{ true b; }\nlabel $_", "b", "b");
    check(Ksh93, "true a\n! true b\nlabel $_", "a", "a");
    check(Ksh93, "readonly jar=3\nlabel $_", "jar", "jar");
    check(Ksh93, "true a\n_=w; true c\nlabel $_", "w", "w");
    check(Ksh93, "set -u; label \"$_\"", "", "");
}

/// One statement that meets no mistake.
fn statement() -> impl Strategy<Value = &'static str> {
    prop::sample::select(vec![
        "label \"$@\"",
        "label $# $*",
        "set -- a 'b c' \"$@\"",
        "set -- \"${2-}\" k",
        "[ $# -gt 0 ] && shift",
        "for i; do label \"$i\"; done",
        "for i in 1 2; do set -- \"$@\" $i; done",
        "f() { label in \"$@\"; shift; label $#; }; f x \"$@\"",
        "(set -- q; label \"$1\"); label \"${1-}\"",
        "x=$(printf '%s.' \"$@\"); label \"$x\"",
        "eval 'label \"${1-none}\"'",
        "case ${1-} in a) label yes;; *) label no;; esac",
        "x=$(($# + 1)); label $x",
        "while [ $# -gt 3 ]; do shift; done",
        "label ${x:=5} \"${1:+given}\"",
        "false || label $?",
        "{ label a; label b; } | :",
        "trap 'label bye $#' EXIT",
    ])
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 128, ..ProptestConfig::default() })]

    /// Without mistakes and aliases a script does what its text does behind `-c`.
    #[test]
    fn a_script_does_what_its_text_does(
        statements in prop::collection::vec(statement(), 1..9),
        separator in prop::sample::select(vec!["\n", "; "]),
    ) {
        let written = statements.join(separator);
        for shell in Shell::ALL {
            prop_assert_eq!(script(shell, &written), text(shell, &written), "{}: {}", shell, written);
        }
    }

    /// What separates the statements makes no difference.
    #[test]
    fn lines_do_what_semicolons_do(statements in prop::collection::vec(statement(), 1..9)) {
        for shell in Shell::ALL {
            let (lines, line) = (statements.join("\n"), statements.join("; "));
            prop_assert_eq!(script(shell, &lines), script(shell, &line), "{}: {}", shell, line);
        }
    }
}
