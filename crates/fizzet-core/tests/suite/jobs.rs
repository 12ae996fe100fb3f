//! Commands in the background, what `wait` knows of them, and what commands are called while they are carried out.

use crate::labels::labels;
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Zsh};
use proptest::prelude::*;

const ALL: [Shell; 6] = [Bash, Dash, Busybox, Ksh93, Mksh, Zsh];

/// What a text tells: words with commas between them, commands with spaces.
fn told(shell: Shell, text: &str) -> String {
    let all = labels(shell, text, &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(shell: Shell, text: &str, expected: &str) {
    assert_eq!(told(shell, text), expected, "{shell}: {text}");
}

const TWO: &str = "jar() { return $1; }; jar 3 & a=$!; jar 4 & b=$!";

#[test]
fn each_job_has_its_own_status() {
    for shell in ALL {
        check(shell, &format!("{TWO}; wait $a; label $?; wait $b; label $?"), "3 4");
        check(shell, &format!("{TWO}; wait $b; label $?; wait $a; label $?"), "4 3");
        check(shell, "wait; label $?; wait 99999; label $?", "0 127");
    }
}

#[test]
fn shells_remember_jobs_for_as_long_as_they_do() {
    for (shell, again, behind_all) in [
        (Bash, "3 3", "0 127 127"),
        (Dash, "3 127", "0 127 4"),
        (Busybox, "3 127", "0 127 4"),
        (Ksh93, "3 127", "0 3 4"),
        (Mksh, "3 127", "0 3 127"),
        (Zsh, "3 127", "0 3 4"),
    ] {
        check(shell, &format!("{TWO}; wait $a; label $?; wait $a; label $?"), again);
        let all = format!("{TWO}; wait; label $?; wait $a; label $?; wait $b; label $?");
        check(shell, &all, behind_all);
    }
}

#[test]
fn a_subshell_has_other_jobs() {
    for shell in ALL {
        let inside =
            format!("{TWO}; (wait $a; label $?; jar 5 & wait $!; label $?); wait $a; label $?");
        check(shell, &inside, "127 5 3");
    }
}

#[test]
fn process_numbers_are_filled_and_differ() {
    for shell in ALL {
        let text = format!(
            "{TWO}; [ -n \"$a\" ]; label $?; [ \"$a\" = \"$b\" ]; label $?; [ $a = $$ ]; label $?"
        );
        check(shell, &text, "0 1 1");
        check(
            shell,
            &format!("{TWO}; [ \"$b\" = \"$!\" ]; label $?; x=$$; [ $x = $$ ]; label $?"),
            "0 0",
        );
    }
}

#[test]
fn the_next_job_is_waited_for_in_bash() {
    check(
        Bash,
        &format!("{TWO}; wait -n; label $?; wait -n; label $?; wait -n; label $?"),
        "3 4 127",
    );
    check(Bash, &format!("{TWO}; wait -n -p it $b; label $?; [ -n \"$it\" ]; label $?"), "4 1");
    check(Bash, "wait -p it; label $? ${it-unset}; wait -p 1x; label $?", "0,unset 1");
}

#[test]
fn bash_tells_the_command() {
    let told_by =
        |action: &str, rest: &str| format!("trap 'label \"$BASH_COMMAND\"' {action}; {rest}");
    check(Bash, "label \"$BASH_COMMAND\"", "label \"$BASH_COMMAND\"");
    check(
        Bash,
        &told_by("DEBUG", "x=1; : \"$x\" 'q r' >jar; for i in a \"b c\"; do :; done"),
        "x=1 : \"$x\" 'q r' > jar for i in a \"b c\" : for i in a \"b c\" :",
    );
    check(
        Bash,
        &told_by("ERR", "(exit 3); false; [[ a == b ]]; ((0))"),
        "( exit 3 ) false [[ a == b ]] ((0))",
    );
    check(Bash, &told_by("ERR", "x=$(false); eval 'false a'"), "x=$(false) false a eval 'false a'");
    check(Bash, &told_by("EXIT", ": a; exit 3"), "exit 3");
    check(
        Bash,
        "BASH_COMMAND=x; label $BASH_COMMAND; unset BASH_COMMAND; label ${BASH_COMMAND-u}",
        "label,$BASH_COMMAND u",
    );
}

#[test]
fn actions_for_errors_reach_subshells_under_their_option() {
    for (option, inside) in [("+E", "out"), ("-E", "act out")] {
        let text = format!("set {option}; trap 'label act' ERR; (false; :); label out");
        check(Bash, &text, inside);
    }
    check(Bash, "set -E; trap 'label act' ERR; (trap - ERR; false); label out", "act out");
    check(Bash, "set -T; trap 'label act' DEBUG; x=$(:)", "act act");
}

proptest! {
    /// Whatever the order in which commands in the background are waited for, each has its own status.
    #[test]
    fn jobs_are_told_apart(
        shell in prop::sample::select(ALL.to_vec()),
        order in Just((0..6usize).collect::<Vec<_>>()).prop_shuffle(),
        count in 1..6usize,
    ) {
        let started = (0..count).map(|at| format!("jar {} & p{at}=$!", at + 3));
        let order: Vec<usize> = order.into_iter().filter(|&at| at < count).collect();
        let waited = order.iter().map(|at| format!("wait $p{at}; label $?"));
        let text: Vec<String> =
            ["jar() { return $1; }".into()].into_iter().chain(started).chain(waited).collect();
        let expected: Vec<String> = order.iter().map(|at| (at + 3).to_string()).collect();
        prop_assert_eq!(told(shell, &text.join("\n")), expected.join(" "), "{} {}", shell, text.join("; "));
    }
}
