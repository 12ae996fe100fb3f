//! What commands in the background read, what the processes of pipelines carry out when they end, where the text of a
//! here-document is that a substitution leaves open, and what mistakes leave.

use crate::labels::{labels, labels_in};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};
use fizzet_core::source::SourceKind;

/// What a text tells: words with commas between them, commands with spaces.
fn told(all: &[Vec<String>]) -> String {
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(shell: Shell, text: &str, expected: &str) {
    assert_eq!(told(&labels(shell, text, &[])), expected, "{shell}: {text}");
}

/// The lines that the shell reads, then commands.
fn with_input(commands: &str) -> String {
    format!("exec <<E\nhive\njar\nE\n{commands}")
}

#[test]
fn a_command_in_the_background_reads_nothing_where_the_shell_has_no_jobs() {
    let text = with_input("{ read b; label b$b; } & wait; read f; label f$f");
    for shell in [Posix, Bash, Dash, Busybox, Ksh93, Mksh] {
        check(shell, &text, "b fhive");
    }
    check(Zsh, &text, "bhive fjar");
    let with_jobs = with_input("set -m; { read b; label b$b; } & wait; read f; label f$f");
    for shell in [Bash, Ksh93, Mksh] {
        check(shell, &with_jobs, "bhive fjar");
    }
}

#[test]
fn the_end_of_that_nothing_is_a_line_for_ksh93() {
    let text = with_input("{ read b; label $?; } & wait");
    check(Ksh93, &text, "0");
    check(Bash, &text, "1");
}

#[test]
fn another_input_than_the_shells_own_is_kept_in_some_shells() {
    let copied = with_input("{ read b; label b$b; } <&0 & wait; read f; label f$f");
    check(Bash, &copied, "bhive fjar");
    check(Dash, &copied, "b fhive");
    check(Ksh93, &copied, "b fhive");
    let around = "{ { read b; label b$b; } & wait; read f; label f$f; } <<E\nhive\njar\nE";
    for shell in [Bash, Ksh93, Zsh] {
        check(shell, around, "bhive fjar");
    }
    for shell in [Dash, Busybox, Mksh] {
        check(shell, around, "b fhive");
    }
    let called = "f() { { read b; label b$b; } & wait; }; f <<E\nhive\nE";
    check(Bash, called, "b");
    check(Ksh93, called, "bhive");
}

#[test]
fn bash_counts_whatever_is_opened_to_be_read() {
    let text = with_input("{ read b; label b$b; } 3<<F & wait\nlid\nF\nread f; label f$f");
    check(Bash, &text, "bhive fjar");
    check(Ksh93, &text, "b fhive");
}

#[test]
fn assignments_alone_are_not_in_the_background_of_zsh() {
    for text in ["jars=1 & wait; label", ">f & label", ": && jars=1 &", "{ jars=1 & }; label"] {
        check(Zsh, text, "");
    }
    check(Zsh, "jars=1 | : & wait; label on", "on");
    check(Bash, "jars=1 & wait; label on", "on");
}

#[test]
fn a_mistake_in_the_words_of_a_process_carries_out_the_action_for_exit_in_bash() {
    let in_file = |shell, text: &str| {
        told(&labels_in(SourceKind::File(b"script"[..].into()), shell, text, &[]))
    };
    for command in [": ${hive?}", "jars=${hive?}", "jars=${hive?} :", "label ${hive?}"] {
        let text = format!("trap 'label bye $?' EXIT\n: | {command}\nlabel on $?");
        assert_eq!(in_file(Bash, &text), "bye,1 on,1 bye,0", "{text}");
        assert_eq!(in_file(Zsh, &text), "bye,1", "{text}");
    }
    for command in ["{ : ${hive?}; }", "(: ${hive?})", "eval ': ${hive?}'"] {
        let text = format!("trap 'label bye $?' EXIT\n: | {command}\nlabel on $?");
        assert_eq!(in_file(Bash, &text), "on,1 bye,0", "{text}");
    }
}

#[test]
fn the_last_command_of_a_pipeline_holds_mistakes_in_ksh93() {
    for (shell, text, told) in [
        (Ksh93, ": | : ${hive?}; label $?", "1"),
        (Ksh93, "f() { : ${hive?}; label in; }; : | f; label $?", "1"),
        (Ksh93, ": | set -o nosuch; label $?", ""),
        (Zsh, ": | : ${hive?}; label $?", ""),
    ] {
        check(shell, text, told);
    }
}

#[test]
fn a_here_document_that_a_substitution_leaves_open() {
    let text = "jars=$(read jar <<E; label \"$jar\")\nlabel three\nE\nlabel end";
    check(Bash, text, "label three end");
    for shell in [Dash, Busybox, Zsh] {
        check(shell, text, " three end");
    }
    for shell in [Ksh93, Mksh] {
        check(shell, text, "");
    }
}

#[test]
fn a_status_behind_a_substitution_that_a_mistake_has_ended() {
    for (shell, text, told) in [
        (Ksh93, "label $(: ${hive?}) $?", "0"),
        (Ksh93, "label $(false; : ${hive?}) $?", "1"),
        (Ksh93, "jars=$(: ${hive?}); label $?", "1"),
        (Bash, "label $(: ${hive?}) $?", "1"),
        (Dash, "label $(: ${hive?}) $?", "0"),
    ] {
        check(shell, text, told);
    }
}

#[test]
fn numbers_of_test_are_decimal_under_the_posix_option_of_ksh93() {
    for (test, status) in [
        ("010 -eq 10", "0"),
        ("-010 -eq -10", "0"),
        ("+010 -eq 10", "0"),
        ("010.5 -gt 10", "0"),
        ("'' -eq 0", "0"),
        ("jars -eq 0", "2"),
        ("1+1 -eq 2", "2"),
        ("0x2 -eq 2", "2"),
    ] {
        check(Ksh93, &format!("set -o posix; [ {test} ]; label $?"), status);
    }
}

#[test]
fn what_can_only_be_written_gives_nothing() {
    for (shell, told) in [(Bash, "1,old"), (Dash, "1,"), (Zsh, "1,")] {
        check(shell, ": $(jar=old; read jar <&1; label $? \"$jar\")", told);
    }
}
