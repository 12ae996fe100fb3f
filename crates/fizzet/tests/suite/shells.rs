//! `--shell all`, `--show stages` and answers.

use serde_json::Value;

use crate::program::{Run, text};

#[test]
fn every_shell_has_a_column_and_the_rule_that_differs_is_named() {
    let words = ["line", "--clean", "--shell", "all", "--var", "jar=lime honey", "label $jar"];
    let shown = Run::of(&words).prints();
    let head = shown.lines().next().unwrap();
    let names: Vec<&str> = head.split_whitespace().collect();
    assert_eq!(names, ["posix", "bash", "dash", "busybox", "ksh93", "mksh", "zsh"]);
    let argc: Vec<&str> = shown.lines().nth(2).unwrap().split_whitespace().collect();
    assert_eq!(argc, ["argc", "3", "3", "3", "3", "3", "3", "2*"]);
    assert!(shown.contains("rule splits_parameters"), "{shown}");
    assert!(shown.contains("zsh: no, posix: yes"), "{shown}");
}

#[test]
fn shells_that_agree_are_said_to() {
    let shown = Run::of(&["line", "--clean", "--shell", "all", "label 'a b'"]).prints();
    assert!(shown.ends_with("All shells agree.\n"), "{shown}");
}

#[test]
fn the_document_of_all_shells_holds_one_for_each_and_the_groups() {
    let words = ["line", "--clean", "--shell", "all", "--format", "json", "label {a,b}"];
    let document: Value = serde_json::from_slice(&Run::of(&words).status(0).stdout).unwrap();
    assert_eq!(document["shells"].as_array().unwrap().len(), 7);
    let groups = document["groups"].as_array().unwrap();
    assert_eq!(groups[0]["shells"], serde_json::json!(["posix", "dash", "busybox"]));
    assert_eq!(groups[1]["rules"][0]["name"], "braces");
}

#[test]
fn one_vector_is_not_printed_for_many_shells() {
    let words = ["line", "--shell", "all", "--format", "nul", "label"];
    assert!(Run::of(&words).says(2).contains("name one shell"));
}

/// A script walked in all shells.
fn walked(text: &str, more: &[&str]) -> Run {
    let words = ["walk", "--clean", "--shell", "all"];
    Run::of(&[&words, more, &["-", "lime honey", "heather"]].concat()).input(text.as_bytes())
}

const PRESS: &str =
    "label \"$@\"\njars=$1\nfor jar in a b; do\n    label $jars $jar\ndone\nhive end";

#[test]
fn a_script_is_told_where_the_shells_part() {
    let shown = walked(PRESS, &[]).prints();
    let rows: Vec<Vec<&str>> =
        shown.lines().take(4).map(|row| row.split_whitespace().collect()).collect();
    assert_eq!(rows[1], ["like", "A", "A", "A", "A", "A", "A", "B*"]);
    assert_eq!(rows[2], ["line", "4", "label", "4", "4", "4", "4", "4", "4", "3*"]);
    assert_eq!(rows[3], ["line", "4", "label", "#2", "4", "4", "4", "4", "4", "4", "3*"]);
    assert!(shown.contains("2 programs receive the same in every shell."), "{shown}");
    assert!(shown.contains("   line 4 label #2     [label] [lime␣honey] [b]"), "{shown}");
    assert!(shown.contains("rule splits_parameters"), "{shown}");
    assert_eq!(shown.matches("line 1").count(), 0, "what is alike is not told: {shown}");
}

#[test]
fn a_script_in_all_shells_is_narrowed_by_lines() {
    let shown = walked(PRESS, &["--lines", "1-2"]).prints();
    assert!(shown.contains("All shells agree: 1 program receives the same."), "{shown}");
    let shown = walked(PRESS, &["--until", "4"]).prints();
    assert!(shown.contains("1 program receives the same in every shell."), "{shown}");
}

#[test]
fn a_program_that_is_not_started_everywhere_is_told() {
    let shown = walked("[[ -n $1 ]] && label \"$1\"; hive $#", &[]).prints();
    assert!(shown.contains("not started"), "{shown}");
    assert!(shown.contains("rule double_brackets"), "{shown}");
}

#[test]
fn rules_are_not_looked_for_where_that_takes_too_long() {
    let text = "i=0; while [ $i -lt 20000 ]; do i=$((i+1)); done; label $1";
    let output = walked(text, &[]).status(0);
    let (shown, said) = (String::from_utf8(output.stdout), String::from_utf8(output.stderr));
    let shown = shown.unwrap();
    assert!(shown.contains("[label] [lime␣honey]") && !shown.contains("rule "), "{shown}");
    assert!(said.unwrap().contains("the rules were not looked for"));
}

#[test]
fn a_script_in_all_shells_is_one_document() {
    let run = walked(PRESS, &["--format", "json"]);
    let document: Value = serde_json::from_slice(&run.status(0).stdout).unwrap();
    assert_eq!(document["shells"].as_array().unwrap().len(), 7);
    assert_eq!(document["groups"][1]["shells"], serde_json::json!(["zsh"]));
    assert!(walked(PRESS, &["--only", "params"]).says(2).contains("side by side"));
    assert!(walked(PRESS, &["--allow-run"]).says(2).contains("name one shell"));
}

#[test]
fn stages_that_change_nothing_are_left_out() {
    let words =
        ["line", "--clean", "--show", "stages", "--var", "x=a b", "label $x\"c d\"{1,2} plain"];
    let shown = Run::of(&words).prints();
    let stages = shown.split("stages\n").nth(1).unwrap().split("\nnote").next().unwrap();
    let expected = "  $x\"c d\"{1,2}
    braces        $x\"c␣d\"1
                  $x\"c␣d\"2
    expansion     a␣b\"c␣d\"1
                  a␣b\"c␣d\"2
    splitting     a
                  b\"c␣d\"1
                  a
                  b\"c␣d\"2
    quote removal a
                  bc␣d1
                  a
                  bc␣d2
";
    assert_eq!(stages, expected);
}

#[test]
fn an_answer_takes_the_place_of_a_command() {
    let words = ["line", "--answer", "hive other=1", "--format", "nul", "label $(hive count)"];
    assert_eq!(Run::of(&words).status(3).stdout, b"");
    let words =
        ["line", "--answer", "hive count=12 jars", "--format", "nul", "label $(hive count)"];
    assert_eq!(Run::of(&words).status(0).stdout, b"label\x0012\0jars\0");
    assert!(Run::of(&["line", "--answer", "hive", "label"]).says(2).contains("COMMAND=OUTPUT"));
}

#[test]
fn what_is_not_known_is_no_empty_argument_and_agreement_is_of_what_is_known() {
    let of = |line: &str| text(&Run::of(&["line", "--shell", "all", line]).status(3).stdout);
    let shown = of("x=$(jar may); label $x \"p$x\" z");
    assert!(shown.contains("[label] [⟨not known, maybe several⟩] [p⟨not known⟩] [z]"), "{shown}");
    assert!(shown.contains(" 4? ") && shown.contains(" 4*"), "{shown}");
    assert!(!shown.contains("All shells agree"), "zsh does not take it apart: {shown}");
    let shown = of("label \"$(jar may)\"");
    assert!(shown.contains("All shells agree on what is known."), "{shown}");
}
