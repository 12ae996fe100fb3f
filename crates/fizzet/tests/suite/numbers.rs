//! Numbers that nobody knows, indexes that are computed once, and where both come from.

use crate::program::Run;
use serde_json::Value;

fn traced(shell: &str, line: &str, status: i32) -> Value {
    let words = ["line", "--format", "json", "--clean", "--shell", shell, line];
    serde_json::from_slice(&Run::of(&words).status(status).stdout).unwrap()
}

/// The arguments of the last command.
fn last(document: &Value) -> Vec<Value> {
    let command = document["commands"].as_array().unwrap().last().unwrap();
    command["argv"].as_array().unwrap().clone()
}

fn texts(document: &Value) -> Vec<String> {
    last(document).iter().map(|one| one["text"].as_str().unwrap().to_owned()).collect()
}

fn is_hole(argument: &Value) -> bool {
    argument["unknown"] == true
}

#[test]
fn what_is_computed_with_an_unknown_number_is_not_known() {
    for line in [
        "label $((RANDOM % 6))",
        "label $((RANDOM > 9 ? 1 : 2))",
        "label $((-RANDOM))",
        "((jars = RANDOM + 1)); label $jars",
        "((jars = RANDOM)); ((jars++)); label $jars",
        "jars=$RANDOM; label $((jars * 2))",
        "typeset -i jars; jars=RANDOM; label $jars",
    ] {
        for shell in ["bash", "ksh93", "mksh", "zsh"] {
            let document = traced(shell, line, 3);
            assert!(is_hole(&last(&document)[1]), "{shell}: {line}: {document}");
            assert_eq!(document["missing"][0]["message"], "a random number", "{shell}: {line}");
        }
    }
}

#[test]
fn what_decides_without_the_unknown_number_is_known() {
    for (line, word) in [
        ("label $((1 || RANDOM))", "1"),
        ("label $((0 && RANDOM))", "0"),
        ("label $((1 ? 7 : RANDOM))", "7"),
        ("label $((RANDOM, 3))", "3"),
    ] {
        for shell in ["bash", "ksh93", "mksh"] {
            let words = ["line", "--format", "json", "--clean", "--shell", shell, line];
            let printed = Run::of(&words).any_status().stdout;
            let document: Value = serde_json::from_slice(&printed).unwrap();
            assert_eq!(texts(&document), ["label", word], "{shell}: {line}");
            assert!(!is_hole(&last(&document)[1]), "{shell}: {line}");
        }
    }
}

#[test]
fn the_index_of_an_element_is_computed_once() {
    let operations = [
        ("jars[i++]++", "7"),
        ("jars[i++] += 5", "11"),
        ("++jars[i++]", "7"),
        ("jars[i++]--", "5"),
    ];
    for (operation, element) in operations {
        let line = format!("jars=(5 6 7 8); i=1; (({operation})); label $i ${{jars[1]}}");
        for shell in ["bash", "ksh93", "mksh"] {
            assert_eq!(texts(&traced(shell, &line, 0)), ["label", "2", element], "{shell}: {line}");
        }
    }
}

fn reaches_label(shell: &str, line: &str) -> bool {
    let words = ["line", "--format", "nul", "--clean", "--shell", shell, line];
    String::from_utf8_lossy(&Run::of(&words).any_status().stdout).contains("label")
}

#[test]
fn an_index_that_a_value_brings_is_expanded_where_the_shell_does_so() {
    let line = "jars=(5 6 7); i=1; which='jars[$i]'; label $((which))";
    assert_eq!(texts(&traced("bash", line, 0)), ["label", "6"]);
    assert_eq!(texts(&traced("mksh", line, 0)), ["label", "6"]);
    assert!(!reaches_label("ksh93", line));
    // Bash protects what it has expanded itself.
    let line = "jars=(5 6 7); i=1; which='$i'; label $((jars[$which]))";
    assert!(!reaches_label("bash", line));
    assert_eq!(texts(&traced("mksh", line, 0)), ["label", "6"]);
}

#[test]
fn commands_in_the_index_of_a_value_are_carried_out() {
    let line = "jars=(5 6 7); which='jars[$(echo 2)]'; [[ which -eq 7 ]] && label $((which))";
    let document = traced("bash", line, 0);
    assert_eq!(texts(&document), ["label", "7"]);
    let printed = document["commands"].as_array().unwrap().iter();
    let echoes = printed.filter(|one| one["argv"][0]["text"] == "echo").count();
    assert_eq!(echoes, 2, "once for each time that the value is read");
}

#[test]
fn a_loop_without_a_condition_goes_on_though_blanks_stand_there() {
    for shell in ["bash", "ksh93", "zsh"] {
        let line = "for ((i = 0; ; i++)); do ((i > 2)) && break; done; label $i";
        assert_eq!(texts(&traced(shell, line, 0)), ["label", "3"], "{shell}");
    }
}

#[test]
fn a_closed_descriptor_has_no_input() {
    for (shell, status, kept) in [
        ("bash", "1", "old"),
        ("dash", "1", ""),
        ("busybox", "1", ""),
        ("ksh93", "1", "old"),
        ("mksh", "2", "old"),
        ("zsh", "1", ""),
    ] {
        let document = traced(shell, "jar=old; read jar <&-; label $? \"$jar\"", 0);
        assert_eq!(texts(&document), ["label", status, kept], "{shell}");
    }
}

#[test]
fn what_is_read_only_keeps_its_elements() {
    let script = "jars=(5 6); readonly jars\njars=(7)\nlabel \"${jars[@]}\"";
    let words = ["line", "--format", "nul", "--clean", script];
    let expected = ["label", "5", "6", ""].join("\0");
    assert_eq!(Run::of(&words).any_status().stdout, expected.as_bytes());
}
