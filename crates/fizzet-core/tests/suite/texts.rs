//! Texts that are carried out and how they end: `eval`, `.`, actions, redirected commands; `set` and its words;
//! line continuations; what is read under the name of a descriptor.

use crate::checked::check;
use crate::labels::labels;
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

#[test]
fn a_lone_plus_is_no_parameter() {
    check("set a b; set + c; label $*", &[], "c");
    check("set a b; set +; label $#", &[(&[Zsh], "0")], "2");
    check("set a b; set + -f; label \"$*\"", &[(&[Ksh93, Mksh, Zsh], "-f")], "a b");
}

#[test]
fn signs_among_the_letters_of_set_are_read_as_each_shell_does() {
    check("set a b; set -f- c; label $*", &[(&[Ksh93, Zsh], "c"), (&[Bash], "a,b")], "");
    let line = "set a b; set --noglob; label \"$*\" $-";
    check(line, &[(&[Ksh93], "a b,cfhB"), (&[Zsh], ",569Xf"), (&[Bash], "a b,hBc")], "");
    check("set -s c b a; label $*", &[(&[Ksh93, Mksh, Zsh], "a,b,c"), (&[Dash], "c,b,a")], "");
}

#[test]
fn a_file_is_asked_for_its_status_in_some_shells_only() {
    let line = "set -e; . /dev/stdin <<E || label or\nfalse; label in\nE\nlabel after";
    check(line, &[(&[Dash, Busybox, Mksh], "")], "in after");
    let line = "set -e; eval 'false; label in' || label or; label after";
    check(line, &[(&[Mksh], "or after")], "in after");
}

#[test]
fn what_set_leaves_in_a_file_stays_in_bash() {
    // POSIX and dash know no arguments of a file.
    let line = "set A B; . /dev/stdin C <<E\nset n\nE\nlabel $*";
    check(line, &[(&[Bash, Posix, Dash], "n")], "A,B");
    let line = "f() { . /dev/stdin C <<E\nset n\nE\nlabel $*\n}; f F";
    check(line, &[(&[Posix, Dash], "n")], "F");
}

#[test]
fn a_mistake_in_a_text_ends_the_subshell_in_bash() {
    let held = (&[Ksh93, Zsh][..], "in 0");
    let line = "(eval ': $((1/0))'; label in); label $?";
    check(line, &[(&[Bash, Mksh], "1"), held], "2");
    check("{ : ${x?}; } <<E; label $?\nE", &[(&[Ksh93], "1")], "");
}

#[test]
fn a_descriptor_is_read_by_its_path() {
    check(". /dev/stdin <<E\nlabel in\nE\nlabel $?", &[], "in 0");
    let line = "{ read x; read y </dev/stdin; label $x $y; } <<E\n1\n2\nE";
    check(line, &[(&[Ksh93, Mksh, Zsh], "1,1")], "1,2");
    check("echo jar | { read x </dev/fd/0; label $x; }", &[], "jar");
}

#[test]
fn a_condition_that_is_left_still_has_a_status() {
    let endless = "n=0; until n=$((n+1)); [ $n -gt 3 ] && exit; continue; do :; done; label $n";
    check(endless, &[(&[Bash, Zsh], "1")], "");
}

#[test]
fn tracing_ends_with_the_function_in_some_shells() {
    check(
        "f() { set -x; }; f; case $- in *x*) label on;; *) label off;; esac",
        &[(&[Mksh, Zsh], "off")],
        "on",
    );
    check("set -t; label a\nlabel b", &[(&[Ksh93], "a"), (&[Bash], "a b")], "");
}

/// A word that needs no quotes and is neither reserved nor an option.
fn word() -> impl Strategy<Value = String> {
    "[abc0-9_/.,]{1,5}".prop_map(|word| format!("w{word}"))
}

proptest! {
    #[test]
    fn set_gives_exactly_the_words_behind_its_dashes(
        before in prop::collection::vec("[^\0]{0,4}", 0..4),
        after in prop::collection::vec("[^\0']{0,6}", 0..6),
    ) {
        let quoted: Vec<String> = after.iter().map(|word| format!("'{word}'")).collect();
        let line = format!("set -- {}; label \"$@\"", quoted.join(" "));
        for shell in Shell::ALL {
            prop_assert_eq!(labels(shell, &line, &before.iter().map(String::as_str).collect::<Vec<_>>()), vec![after.clone()], "{}: {}", shell, line);
        }
    }

    #[test]
    fn a_continuation_changes_no_line_of_words(
        words in prop::collection::vec(word(), 1..5),
        place in any::<prop::sample::Index>(),
    ) {
        let mut line = format!("label {}", words.join(" "));
        let at = place.index(line.len());
        line.insert_str(at, "\\\n");
        for shell in Shell::ALL {
            prop_assert_eq!(labels(shell, &line, &[]), vec![words.clone()], "{}: {}", shell, line);
        }
    }

    #[test]
    fn eval_and_the_file_of_a_text_are_carried_out_alike(
        words in prop::collection::vec(word(), 1..4),
        turns in 0usize..3,
    ) {
        let text = format!("for i in {}; do label $i; [ $# -gt {turns} ] || continue; label more; done", words.join(" "));
        for shell in Shell::ALL {
            let evaluated = labels(shell, &format!("eval '{text}'"), &["p", "q"]);
            let read = labels(shell, &format!(". /dev/stdin <<'E'\n{text}\nE\n"), &["p", "q"]);
            prop_assert_eq!(&evaluated, &read, "{}: {}", shell, text);
            prop_assert!(evaluated.len() >= words.len());
        }
    }
}
