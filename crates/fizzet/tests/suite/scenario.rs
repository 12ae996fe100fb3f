//! `--scenario` and `--missing-as-scenario`.

use std::fs;

use serde_json::Value;

use crate::program::{Run, text};

const SCENARIO: &str = r#"
shell = "dash"
args = ["lime honey", ""]
zero = "press"
ifs = ":"
vars = { batch = "May:3" }
options = ["nounset"]
files = ["labels/lime honey.txt", "labels/heather.txt", "hives/"]

[[answers]]
command = "weigh jar"
output = "450 g\n"

[[answers]]
vector = ["count", "two words"]
output = "7"
status = 3
"#;

fn arguments(words: &[&str]) -> Vec<String> {
    let words = [&["line", "--format", "nul"][..], words].concat();
    let printed = Run::of(&words).prints();
    printed.split_terminator('\0').map(str::to_owned).collect()
}

#[test]
fn a_scenario_says_what_the_command_line_leaves_open() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("press.toml");
    fs::write(&file, SCENARIO).unwrap();
    let file = file.to_str().unwrap();
    let line = "label \"$0\" \"$@\" $batch labels/*.txt */ $(weigh jar) \"$(count \"two words\")\"";
    let expected = [
        "label",
        "press",
        "lime honey",
        "",
        "May",
        "3",
        "labels/heather.txt",
        "labels/lime honey.txt",
        "hives/",
        "labels/",
        "450 g",
        "7",
    ];
    assert_eq!(arguments(&["--scenario", file, line]), expected);
    let over = ["--scenario", file, "--var", "batch=x", "--ifs", " ", "label $batch $1", "a b"];
    assert_eq!(arguments(&over), ["label", "x", "a", "b"]);
    let told = Run::of(&["line", "--scenario", file, "label $nosuch"]).status(0);
    assert!(text(&told.stderr).contains("set -u is on"));
    let status = Run::of(&["walk", "--scenario", file, "--format", "json", "-"]);
    let events = status.input(b"x=$(count 'two words') || label failed $?\n").prints();
    let failed = events.lines().map(|line| serde_json::from_str::<Value>(line).unwrap());
    assert!(failed.into_iter().any(|event| event["argv"][2]["text"] == "3"));
}

#[test]
fn missing_answers_are_told_in_a_form_that_a_scenario_takes() {
    let folder = tempfile::tempdir().unwrap();
    let script = folder.path().join("press.sh");
    fs::write(&script, "x=$(weigh 'a \"b\"')\nlabel \"$x\"\n").unwrap();
    let script = script.to_str().unwrap();
    let told = Run::of(&["walk", "--missing-as-scenario", script]).says(3);
    let filled = told.replace("output = \"\"", "output = \"9 g\"");
    let scenario = folder.path().join("answers.toml");
    fs::write(&scenario, filled).unwrap();
    let walked = Run::of(&["walk", "--scenario", scenario.to_str().unwrap(), script]).prints();
    assert!(walked.contains("[0] label  [1] 9␣g"), "{walked}");
}

#[test]
fn what_is_no_scenario_is_refused() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("press.toml");
    for (wrong, why) in [
        ("shel = 'dash'", "unknown field"),
        ("shell = 'fish'", "none of the shells"),
        ("[[answers]]\noutput = 'x'", "either as command or as vector"),
        ("args = 3", "invalid type"),
    ] {
        fs::write(&file, wrong).unwrap();
        let said = Run::of(&["line", "--scenario", file.to_str().unwrap(), "label"]).says(2);
        assert!(said.contains(why), "{wrong}: {said}");
    }
}
