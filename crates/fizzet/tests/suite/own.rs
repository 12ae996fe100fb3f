//! What the shell keeps itself, and the actions of `trap`, in scripts and lines of their own.

use std::os::unix::fs::MetadataExt;

use serde_json::Value;

use crate::program::Run;

/// A line's trace, and the status that it ends with.
fn traced(line: &str, status: i32) -> Value {
    let told = Run::of(&["line", "--clean", "--format", "json", line]).status(status).stdout;
    serde_json::from_slice(&told).unwrap()
}

/// The last vector of a trace.
fn last_vector(told: &Value) -> Vec<String> {
    let commands = told["commands"].as_array().unwrap();
    let argv = commands.last().unwrap()["argv"].as_array().unwrap();
    argv.iter().map(|one| one["text"].as_str().unwrap_or_default().to_string()).collect()
}

#[test]
fn what_only_the_running_shell_knows_ends_incomplete() {
    for (line, what) in [
        ("label $RANDOM", "a random number"),
        ("label $PPID", "the process that started the shell"),
        ("x=$(cd nosuch 2>&1); label \"$x\"", "how the shell words its message"),
        ("x=$(getopts a o -b 2>&1); label \"$x\"", "how the shell words its message"),
        ("x=$( (: ${y?no}) 2>&1); label \"$x\"", "how the shell words its message"),
        ("x=$( (shift a) 2>&1); label \"$x\"", "how the shell words its message"),
        ("x=$(hive 2>&1 >/dev/null); label \"$x\"", "what `hive` prints"),
    ] {
        let told = traced(line, 3);
        assert_eq!(told["status"], "incomplete", "{line}: {told}");
        assert!(told.to_string().contains(what), "{line}: {told}");
    }
}

#[test]
fn what_the_shell_keeps_is_known_where_it_is_the_same_everywhere() {
    assert_eq!(
        last_vector(&traced("label ${BASH_VERSINFO[0]} $OSTYPE", 0))[1..],
        ["5", "linux-gnu"]
    );
    assert_eq!(
        last_vector(&traced("false | true; label \"${PIPESTATUS[@]}\"", 0))[1..],
        ["1", "0"]
    );
    assert_eq!(last_vector(&traced(": lime; label $_", 0))[1..], ["lime"]);
}

#[test]
fn a_script_knows_its_lines_functions_and_files() {
    let folder = tempfile::tempdir().unwrap();
    let lines = [
        "trap 'label failed $LINENO ${FUNCNAME[0]}' ERR",
        "set -E",
        "press() {",
        "  false",
        "  label \"${FUNCNAME[*]}\" \"${BASH_SOURCE[0]}\" $LINENO",
        "}",
        "press",
        ". ./jars.sh",
    ];
    std::fs::write(folder.path().join("press.sh"), lines.join("\n")).unwrap();
    std::fs::write(folder.path().join("jars.sh"), "label $LINENO \"${BASH_SOURCE[0]}\"\n").unwrap();
    let told = Run::of(&["walk", "--format", "json", "press.sh"]).within(folder.path()).prints();
    let vectors: Vec<String> = told
        .lines()
        .map(|line| serde_json::from_str::<Value>(line).unwrap())
        .filter(|event| event["argv"][0]["text"] == "label")
        .map(|event| {
            let argv = event["argv"].as_array().unwrap();
            let words = argv.iter().map(|one| one["text"].as_str().unwrap_or_default());
            words.collect::<Vec<_>>().join(" ")
        })
        .collect();
    assert_eq!(
        vectors,
        ["label failed 4 press", "label press main press.sh 5", "label 1 ./jars.sh"]
    );
}

#[test]
fn a_signal_to_the_shell_itself_is_acted_on() {
    let told = traced("trap 'label caught $?' USR1; kill -USR1 $$; label behind", 3);
    let vectors = told.to_string();
    let (caught, behind) = (vectors.find("caught").unwrap(), vectors.rfind("behind").unwrap());
    assert!(caught < behind, "{told}");
    let told = traced("kill -TERM $$; label behind", 3);
    assert!(!last_vector(&told).contains(&"behind".to_string()), "{told}");
}

#[test]
fn what_the_environment_says_of_kept_variables_does_not_count() {
    for (name, line) in [("_", "label \"$_\""), ("RANDOM", "label $RANDOM")] {
        let told = Run::of(&["line", "--format", "json", line]).env(name, "7").status(3).stdout;
        let told: Value = serde_json::from_slice(&told).unwrap();
        assert_eq!(last_vector(&told)[1..], [""], "{line}");
    }
    let told = Run::of(&["line", "--shell", "dash", "label $RANDOM"]).env("RANDOM", "7").prints();
    assert!(told.contains("[1]  7"), "{told}");
}

#[test]
fn who_runs_the_shell_and_the_name_of_the_machine_are_known() {
    let user = std::fs::metadata("/proc/self").unwrap().uid().to_string();
    let machine = std::fs::read_to_string("/proc/sys/kernel/hostname").unwrap();
    let (user, machine) = (user.as_str(), machine.trim_end());
    let told = |shell: &str, line: &str| {
        let arguments = ["line", "--clean", "--shell", shell, "--format", "json", line];
        let told = Run::of(&arguments).env("UID", "7").status(0).stdout;
        last_vector(&serde_json::from_slice(&told).unwrap())
    };
    assert_eq!(told("bash", "label $UID $EUID \"$HOSTNAME\""), ["label", user, user, machine]);
    assert_eq!(told("zsh", "label $UID \"$HOST\""), ["label", user, machine]);
    let sign = if user == "0" { "#" } else { "$" };
    assert_eq!(told("bash", r#"x='\$'; label "${x@P}""#), ["label", sign]);
    assert_eq!(told("bash", "[ -O /proc/self ]; label $?"), ["label", "0"]);
    // The number of a process that is not there stays a hole.
    Run::of(&["line", "--clean", "label $$ $PPID"]).status(3);
}

#[test]
fn a_mistake_behind_which_the_shell_goes_on_is_told() {
    let line = "label $((1/0)); label no\nlabel behind";
    let ran = Run::of(&["line", "--clean", line]).status(0);
    let said = String::from_utf8(ran.stderr).unwrap();
    assert!(said.contains("with status 1: arithmetic: division by zero"), "{said}");
    assert!(said.contains("line 1, column 10"), "{said}");
    let told = traced(line, 0);
    assert_eq!(told["mistakes"][0]["message"], "arithmetic: division by zero", "{told}");
    assert_eq!(last_vector(&told), ["label", "behind"]);
}
