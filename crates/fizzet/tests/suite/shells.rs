//! `--shell all`, `--show stages` and answers.

use serde_json::Value;

use crate::program::Run;

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
