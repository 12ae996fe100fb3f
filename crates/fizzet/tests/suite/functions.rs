//! Functions that a shell prints: an argument made of one says where each word was defined.

use crate::program::Run;

const LINE: &str = r#"f() { label "$1"  jar; }; send "$(typeset -f f)""#;

/// The last argument of the last command, as the shell would pass it.
fn sent(shell: &str) -> String {
    let json = Run::of(&["line", "--shell", shell, "--format", "json", LINE]).prints();
    let trace: serde_json::Value = serde_json::from_str(&json).unwrap();
    let commands = trace["commands"].as_array().unwrap();
    commands[commands.len() - 1]["argv"][1]["text"].as_str().unwrap().to_owned()
}

#[test]
fn each_shell_has_a_layout_of_its_own() {
    assert_eq!(sent("bash"), "f () \n{ \n    label \"$1\" jar\n}");
    assert_eq!(sent("zsh"), "f () {\n\tlabel \"$1\" jar\n}");
    assert_eq!(sent("mksh"), "f() {\n\t\\label \"$1\" jar \n} ");
    assert_eq!(sent("ksh93"), "f() { label \"$1\"  jar; };");
}

#[test]
fn a_word_of_a_printed_function_leads_to_its_definition() {
    let shown = Run::of(&["line", "--shell", "bash", "--show", "lineage", LINE]).prints();
    let (_, piece) = shown.split_once("the piece jar").unwrap();
    let hops: Vec<&str> = piece.lines().skip(1).take(3).map(str::trim).collect();
    assert_eq!(
        hops,
        [
            "< printed inside the command substitution at line 1, column 33",
            "< printed by the command at line 1, column 35",
            "< written in line at line 1, column 19",
        ]
    );
}

#[test]
fn a_function_that_may_not_change_stays() {
    let script =
        "f() { echo jar; }; readonly -f f; f() { echo label; }; send $? \"$(f)\" \"$(declare -F)\"";
    let shown = Run::of(&["line", "--shell", "bash", "--format", "nul", script]).any_status();
    let words: Vec<&[u8]> = shown.stdout.split(|&byte| byte == 0).collect();
    let last = words.iter().rposition(|word| *word == b"send").unwrap();
    assert_eq!(words[last + 1..last + 4], [&b"1"[..], b"jar", b"declare -fr f"]);
}
