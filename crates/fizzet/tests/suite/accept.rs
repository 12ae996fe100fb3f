//! `fizzet accept`: contracts.

use serde_json::Value;

use crate::program::Run;

const CONTRACT: &str = "program = \"press\"\n[reading]\noptions = \"anywhere\"\n\n[[option]]\nname = \"weight\"\n\
                        short = \"w\"\nlong = \"weight\"\nvalue = \"GRAMS\"\ntype = \"int\"\n\n[[operand]]\n\
                        name = \"honey\"\n\n[[operand]]\nname = \"jar\"\ntype = \"file\"\nfrom = 0\nto = 2\n";

fn folder() -> tempfile::TempDir {
    let folder = tempfile::tempdir().unwrap();
    std::fs::write(folder.path().join("press.toml"), CONTRACT).unwrap();
    std::fs::write(folder.path().join("lime.txt"), "").unwrap();
    folder
}

fn judged(words: &[&str], status: i32) -> Value {
    let folder = folder();
    let words: Vec<&str> = ["accept", "--format", "json"].iter().chain(words).copied().collect();
    serde_json::from_slice(&Run::of(&words).within(folder.path()).status(status).stdout).unwrap()
}

#[test]
fn a_vector_that_satisfies_is_told_by_name_and_type() {
    let told = judged(&["press.toml", "lime honey", "-w250", "lime.txt"], 0);
    assert_eq!(told["satisfied"], true);
    let roles: Vec<String> = told["roles"]
        .as_array()
        .unwrap()
        .iter()
        .map(|role| format!("{}:{}", role["index"], role["role"].as_str().unwrap()))
        .collect();
    assert_eq!(roles, ["0:program", "1:operand", "2:option", "2:value", "3:operand"]);
    assert_eq!(told["values"]["weight"]["values"][0]["text"], "250");
    assert_eq!(told["values"]["weight"]["type"], "int");
    assert_eq!(told["usage"], "press [-w GRAMS] [--] HONEY [JAR...]");
}

#[test]
fn one_that_does_not_ends_with_status_1() {
    let told = judged(&["press.toml", "--weight=heavy", "-x", "a", "nosuch", "lime.txt", "b"], 1);
    let problems: Vec<&str> = told["problems"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| one["problem"].as_str().unwrap())
        .collect();
    assert_eq!(problems, ["unknown-option", "ill-typed", "ill-typed", "left-over"]);
    assert_eq!(judged(&["press.toml"], 1)["problems"][0]["name"], "honey");
}

#[test]
fn a_missing_quote_is_found_and_mended() {
    let line = "press -w 250 $jar";
    let told = judged(&["--var", "jar=lime honey of May 2", "--from-line", "press.toml", line], 1);
    assert_eq!(told["mend"]["words"][0]["text"], "$jar");
    assert_eq!(told["mend"]["line"]["text"], "press -w 250 \"$jar\"");
    assert_eq!(told["mend"]["mends"], true);
    let told = judged(&["--from-line", "press.toml", "press \"$1\"", "lime honey"], 0);
    assert_eq!(told["argv"][1]["text"], "lime honey");
}

#[test]
fn a_contract_that_is_wrong_names_its_place() {
    let folder = folder();
    for (text, told) in [
        ("program = \"press\"\ncolour = 1\n", "line 2, column 1"),
        (
            "program = \"press\"\n[[operand]]\nname = \"jar\"\nfrom = 2\nto = 1\n",
            "line 5, column 6",
        ),
        (
            "program = \"press\"\n[[operand]]\nname = \"jar\"\ntype = \"jar\"\n",
            "the types are text, int",
        ),
    ] {
        std::fs::write(folder.path().join("bad.toml"), text).unwrap();
        let message = Run::of(&["accept", "bad.toml"]).within(folder.path()).status(2).stderr;
        let message = String::from_utf8(message).unwrap();
        assert!(message.contains(told), "{message}");
    }
}

#[test]
fn a_draft_is_a_contract() {
    let folder = folder();
    let script = "[ $# -ge 1 ] || exit 1\nwhile getopts k:n o; do case $o in k) keeper=$OPTARG ;; esac; done\n\
                  shift $((OPTIND - 1))\n[ $# -eq 2 ] || exit 1\nstand=$1\n";
    std::fs::write(folder.path().join("move.sh"), script).unwrap();
    let drafted = Run::of(&["accept", "--draft", "move.sh"]).within(folder.path()).prints();
    assert!(drafted.contains("name = \"keeper\""), "{drafted}");
    std::fs::write(folder.path().join("move.toml"), drafted).unwrap();
    Run::of(&["accept", "move.toml", "-k", "Ana", "north", "3"]).within(folder.path()).status(0);
    Run::of(&["accept", "move.toml", "north"]).within(folder.path()).status(1);
    let help = Run::of(&["accept", "--usage", "move.toml"]).within(folder.path()).prints();
    assert!(help.contains("usage: move.sh [-k KEEPER]"), "{help}");
}
