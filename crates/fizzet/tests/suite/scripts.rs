//! `outline` and `spread`.

use std::fs;

use serde_json::Value;

use crate::program::Run;

fn json(words: &[&str]) -> Value {
    serde_json::from_str(&Run::of(words).prints()).unwrap()
}

#[test]
fn the_outline_marks_words_and_knows_who_calls_a_function() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("press.sh");
    fs::write(&file, "pack() {\n  box $1 \"$2\" *.txt\n}\npack 'lime honey'\n").unwrap();
    let file = file.to_str().unwrap();
    let document = json(&["outline", "--format", "json", file]);
    let words = document["commands"][0]["words"].as_array().unwrap();
    let makes: Vec<&Value> = words.iter().map(|word| &word["makes"]).collect();
    assert_eq!(makes, ["fixed", "any", "one", "any"]);
    assert_eq!(document["commands"][0]["function"], "pack");
    assert_eq!(document["functions"][0]["calls"][0]["line"], 4);
    let told = Run::of(&["outline", file]).prints();
    assert!(
        told.contains("  box $1 \"$2\" *.txt\n  ─── ── ──── ─────\n  =   *  1    *\n"),
        "{told}"
    );
    assert!(told.contains("pack, defined on line 1, called on line 4"), "{told}");
}

#[test]
fn an_outline_of_what_cannot_be_read_prints_nothing_but_why() {
    let run = Run::of(&["outline", "--shell", "dash", "-"]).input(b"label a\nlabel <(b)\n");
    let output = run.status(2);
    assert!(output.stdout.is_empty());
    assert!(String::from_utf8_lossy(&output.stderr).contains("line 2, column"));
}

#[test]
fn forms_are_spread_for_each_ifs_and_shell() {
    let document = json(&["spread", "--format", "json", "lime honey", "", "c"]);
    let tables = document["tables"].as_array().unwrap();
    let form = |ifs: &str, name: &str| {
        let table = tables.iter().find(|table| table["ifs"] == ifs).unwrap();
        let forms = table["forms"].as_array().unwrap();
        forms.iter().find(|form| form["form"] == name).unwrap().clone()
    };
    let count = |ifs, name| form(ifs, name)["arguments"].as_array().unwrap().len();
    assert_eq!((count("default", "$@"), count("empty", "$@")), (3, 2));
    assert_eq!((count("default", "\"$@\""), count("comma", "\"$*\"")), (3, 1));
    assert_eq!(form("comma", "\"$*\"")["arguments"][0]["text"], "lime honey,,c");
    assert_eq!(form("default", "$@")["others"][0]["shells"][0], "zsh");
    // Shells without the form do not have arguments.
    assert!(form("default", "\"${@:2}\"")["others"][0]["arguments"].is_null());
}

#[test]
fn a_spread_can_be_looked_at_inside_a_script() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("press.sh");
    fs::write(&file, "IFS=:\nf() {\n  label \"$*\"\n}\nf a:b \"$1\"\n").unwrap();
    let file = file.to_str().unwrap();
    let words = ["spread", "--format", "json", "--in", file, "--at", "3", "lime honey"];
    let document = json(&words);
    assert_eq!(document["positional"][1]["text"], "lime honey");
    assert_eq!(document["tables"][0]["forms"][3]["arguments"][0]["text"], "a:b:lime honey");
    let missed = Run::of(&["spread", "--in", file, "--at", "2", "x"]).status(2);
    assert!(String::from_utf8_lossy(&missed.stderr).contains("no command on that line"));
}
