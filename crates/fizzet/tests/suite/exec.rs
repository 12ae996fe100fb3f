//! `fizzet exec` on calls as they stand in C programs.

use serde_json::Value;

use crate::program::Run;

fn document(words: &[&str]) -> Value {
    let all: Vec<&str> = ["exec", "--format", "json"].iter().chain(words).copied().collect();
    serde_json::from_slice(&Run::of(&all).status(0).stdout).unwrap()
}

fn faults(document: &Value) -> Vec<&str> {
    let faults = document["faults"].as_array().unwrap();
    faults.iter().map(|fault| fault["name"].as_str().unwrap()).collect()
}

#[test]
fn a_call_hands_over_exactly_its_strings() {
    let call = r#"execl("/bin/sh", "sh", "two " "words\t", "\x41", (char *)NULL)"#;
    let document = document(&[call]);
    assert_eq!(document["outcome"], "runs");
    let argv: Vec<&str> = document["argv"]
        .as_array()
        .unwrap()
        .iter()
        .map(|argument| argument["text"].as_str().unwrap())
        .collect();
    assert_eq!(argv, ["sh", "two words\t", "A"]);
    assert_eq!(faults(&document), [""; 0]);
    let vector = Run::of(&["exec", "--format", "nul", call]).status(0).stdout;
    assert_eq!(vector, b"sh\0two words\t\0A\0");
}

#[test]
fn what_goes_wrong_is_found() {
    for (call, expected) in [
        (r#"execl("/bin/sh", "sh", "-c")"#, "no-null"),
        (r#"execl("/bin/sh", "sh", 0)"#, "plain-zero"),
        (r#"execl("/bin/sh", "-c", NULL)"#, "other-zero"),
        (r#"execl("/bin/sh", "sh", "$HOME", NULL)"#, "no-shell"),
        (r#"execl("/bin/sh", "sh", "~/x", NULL)"#, "no-shell"),
        (r#"execl("/bin/sh", "sh", "-e -u", NULL)"#, "one-element"),
        (r#"execl("/bin/sh", "sh", NULL, "x")"#, "behind-null"),
        (r#"execl("/bin/sh", "sh", "a\0b", NULL)"#, "nul-inside"),
        (r#"execl("sh", "sh", NULL)"#, "no-search"),
        (r#"execl("/bin/sh -e", "sh -e", NULL)"#, "words-in-path"),
        (r#"execv("/bin/sh", (char *[]){NULL})"#, "empty-vector"),
    ] {
        assert_eq!(faults(&document(&[call])), [expected], "{call}");
    }
    let undefined = document(&[r#"execl("/bin/sh", "sh", "-c")"#]);
    assert_eq!(undefined["outcome"], "undefined");
}

#[test]
fn names_are_given_values_and_environments_are_handed_over() {
    let argv = r#"argv={"label", "lime honey", NULL}"#;
    let call = r#"execve("/bin/sh", argv, (char *[]){"HIVE=north", NULL})"#;
    let document = document(&["--let", argv, call]);
    assert_eq!(document["handed"][1]["text"], "lime honey");
    assert_eq!(document["handed"][1]["pieces"][0]["source"]["in"], "var argv");
    assert_eq!(document["environment"][0]["text"], "HIVE=north");
}

#[test]
fn system_goes_through_the_shell() {
    let document = document(&["--env", "jar=a b", r#"system("label $jar '$jar'")"#]);
    assert_eq!(document["argv"][1]["text"], "-c");
    assert_eq!(document["sh"]["commands"][0]["argc"], 4);
}

#[test]
fn what_is_no_call_is_refused_with_its_place() {
    for (call, told) in [
        (r#"execl("/bin/sh", "sh""#, "line 1, column 22"),
        (r#"execl("/bin/sh"#, "this string is never closed"),
        (r#"execl("/bin/sh", "\q", NULL)"#, "C knows no such escape"),
        (r#"execl("/bin/sh", "\x100", NULL)"#, "this escape is no byte"),
        (r#"run("/bin/sh")"#, "run is no function that executes a program"),
        ("lime honey", "this is no call of a function"),
        (r#"execv("/bin/sh", argv)"#, "nobody has said what argv is"),
        (r#"execv("/bin/sh", "sh")"#, "the vector is no array"),
        (r#"execl(3, "sh", NULL)"#, "the file is no string"),
        ("", "this is no call of a function"),
    ] {
        let output = Run::of(&["exec", call]).status(2);
        let shown = String::from_utf8(output.stderr).unwrap();
        assert!(shown.contains(told), "{call}: {told:?} is missing in:\n{shown}");
        assert!(output.stdout.is_empty(), "{call}");
    }
}
