//! `walk`: whole scripts, statement by statement.

use std::fs;
use std::io::Read;
use std::path::Path;
use std::process::{Command, Stdio};

use serde_json::Value;

use crate::program::Run;

const PRESS: &str = "\
first=$1
set -- \"$first\" clover
while [ $# -gt 0 ]; do
    stick \"$1\"
    shift
done
pack() {
    box \"$@\"
    shift
}
pack 'lime honey' x
exit 3
";

fn script(folder: &Path, text: impl AsRef<[u8]>) -> String {
    let path = folder.join("press.sh");
    fs::write(&path, text).unwrap();
    path.to_str().unwrap().to_owned()
}

fn events(words: &[&str]) -> Vec<Value> {
    let words = [&["walk", "--format", "json"][..], words].concat();
    let printed = Run::of(&words).prints();
    printed.lines().map(|line| serde_json::from_str(line).unwrap()).collect()
}

fn of_kind<'a>(events: &'a [Value], kind: &str) -> Vec<&'a Value> {
    events.iter().filter(|event| event["event"] == kind).collect()
}

#[test]
fn the_timeline_tells_vectors_and_how_parameters_move() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), "set -- 'lime honey' \"$1\"\nlabel \"$@\"\nshift\n");
    let expected = "   1  set -- 'lime honey' \"$1\"
      [0] set  [1] --  [2] lime␣honey  [3] heather
      ┌─────────┐
      │ heather │  $# = 1
      └─────────┘
        replaced by
      ┌────────────┬─────────┐
      │ lime␣honey │ heather │  $# = 2
      └────────────┴─────────┘
   2  label \"$@\"
      [0] label  [1] lime␣honey  [2] heather
   3  shift
      ┌────────────┬─────────┐
      │ lime␣honey │ heather │  $# = 2
      └────────────┴─────────┘
        gone         ↓ $1
      ┌─────────┐
      │ heather │  $# = 1
      └─────────┘

at the end, with status 0
      ┌─────────┐
      │ heather │  $# = 1
      └─────────┘
";
    assert_eq!(Run::of(&["walk", &file, "heather"]).prints(), expected);
}

#[test]
fn a_command_that_an_alias_begins_is_told_where_it_was_typed() {
    let folder = tempfile::tempdir().unwrap();
    let script = script(folder.path(), "alias ll='label -w '\nll lime\nlabel lime\n");
    let printed = Run::of(&["walk", "--shell", "dash", &script]).prints();
    assert!(printed.contains("   2  ll lime\n      [0] label  [1] -w  [2] lime\n"), "{printed}");
    // Nothing is added to a command that is its own vector.
    assert!(printed.contains("   3  label lime\n\n"), "{printed}");
    let line = "alias ll='label -w '\nll lime";
    let printed = Run::of(&["line", "--shell", "dash", line]).prints();
    assert!(printed.contains("  ll lime\n  ── ────\n  0-1\n     2\n"), "{printed}");
}

#[test]
fn events_name_every_command_and_change_and_the_end() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), PRESS);
    let events = events(&[&file, "acacia", "b"]);
    let causes: Vec<_> =
        of_kind(&events, "params").iter().map(|one| one["cause"].clone()).collect();
    assert_eq!(causes, ["set", "shift", "shift", "call", "shift", "return"]);
    let counts: Vec<_> =
        of_kind(&events, "params").iter().map(|one| one["count"].clone()).collect();
    assert_eq!(counts, [2, 1, 0, 2, 1, 0]);
    let stuck =
        of_kind(&events, "command").into_iter().filter(|one| one["argv"][0]["text"] == "stick");
    let stuck: Vec<_> = stuck.map(|one| one["argv"][1]["text"].clone()).collect();
    assert_eq!(stuck, ["acacia", "clover"]);
    let end = events.last().unwrap();
    assert_eq!(
        (&end["event"], &end["exit"], &end["status"]),
        (&"end".into(), &3.into(), &"complete".into())
    );
}

#[test]
fn passes_that_are_alike_are_folded_unless_every_one_is_asked_for() {
    let folder = tempfile::tempdir().unwrap();
    let loops = "while [ $# -gt 0 ]; do\n stick \"$1\"\n shift\ndone\n";
    let looped = script(folder.path(), loops);
    let folded = Run::of(&["walk", &looped, "a", "b", "c", "d", "e"]).prints();
    assert_eq!(folded.matches("stick \"$1\"").count(), 2, "{folded}");
    assert!(folded.contains("... 4 more passes like this, 10 commands"), "{folded}");
    let every = Run::of(&["walk", "--every", &looped, "a", "b", "c", "d", "e"]).prints();
    assert_eq!(every.matches("stick \"$1\"").count(), 5, "{every}");
}

#[test]
fn the_walk_is_narrowed_by_kind_line_and_end() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), PRESS);
    let params = events(&["--only", "params", &file, "a"]);
    assert!(of_kind(&params, "command").is_empty() && !of_kind(&params, "params").is_empty());
    let commands = events(&["--only", "commands", "--lines", "8-9", &file, "a"]);
    let names: Vec<_> =
        of_kind(&commands, "command").iter().map(|one| one["argv"][0]["text"].clone()).collect();
    assert_eq!(names, ["box", "shift"]);
    let until = events(&["--until", "2", &file, "a"]);
    assert_eq!(of_kind(&until, "command").len(), 2);
    let end = until.last().unwrap();
    assert_eq!(
        (&end["left_early"], &end["params"]["positional"][1]["text"]),
        (&true.into(), &"clover".into())
    );
}

#[test]
fn lineage_goes_from_the_argument_back_to_the_call_of_the_script() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), "pack() { shift; box \"$@\"; }\npack x \"$2\"\n");
    let told = Run::of(&["walk", "--show", "lineage", &file, "a", "lime honey"]).prints();
    let way: Vec<&str> = told.lines().filter(|line| line.contains("< ")).map(str::trim).collect();
    assert!(way.contains(&"< given as argument 2"), "{told}");
    assert!(way.iter().any(|step| step.contains("$@") && step.contains("after shift")), "{told}");
}

#[test]
fn what_is_no_script_is_refused_and_what_was_walked_stays() {
    let folder = tempfile::tempdir().unwrap();
    let whole = Run::of(&["walk", folder.path().to_str().unwrap()]).status(2);
    assert!(String::from_utf8_lossy(&whole.stderr).contains("directory"));
    let binary = script(folder.path(), b"\x7fELF\x00\x01");
    assert!(Run::of(&["walk", &binary]).status(2).stdout.is_empty());
    let open = script(folder.path(), "label a\nwhile :; do label b\n");
    let output = Run::of(&["walk", &open]).status(2);
    assert!(String::from_utf8_lossy(&output.stdout).contains("label a"));
    assert!(String::from_utf8_lossy(&output.stderr).contains("never closed"));
    let endless = script(folder.path(), "label a\nwhile :; do :; done\n");
    let output = Run::of(&["walk", "--max-steps", "5000", &endless]).status(4);
    assert!(String::from_utf8_lossy(&output.stdout).contains("label a"));
    let deep = script(folder.path(), "f() { f \"$@\"; }\nf a\n");
    let output = Run::of(&["walk", &deep]).status(4);
    assert!(String::from_utf8_lossy(&output.stderr).contains("function calls inside each other"));
    let empty = script(folder.path(), "");
    assert!(Run::of(&["walk", &empty, "a"]).prints().contains("$# = 1"));
}

#[test]
fn a_reader_may_go_away_at_any_time() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), "while :; do label a; done\n");
    for format in ["json", "text"] {
        let mut child = Command::new(env!("CARGO_BIN_EXE_fizzet"))
            .args(["walk", "--every", "--format", format, &file])
            .stdout(Stdio::piped())
            .spawn()
            .unwrap();
        let mut first = [0; 100];
        let mut out = child.stdout.take().unwrap();
        out.read_exact(&mut first).unwrap();
        drop(out);
        assert!(child.wait().unwrap().success(), "{format}");
    }
}

#[test]
fn a_long_argument_is_cut_with_a_word() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), format!("x={}\nlabel $x\necho $x\n", "honey".repeat(200)));
    let shown = Run::of(&["walk", &file]).prints();
    let cut = shown.lines().filter(|line| line.ends_with(" more bytes")).count();
    assert_eq!(cut, 4, "{shown}");
    let file = script(folder.path(), format!("label {}\n", "honey".repeat(40)));
    let shown = Run::of(&["walk", &file]).prints();
    let told: String = shown.lines().skip(1).flat_map(|line| line.split_whitespace()).collect();
    assert!(told.contains(&"honey".repeat(40)), "{shown}");
}

#[test]
fn the_lines_before_one_that_is_not_known_are_read() {
    let folder = tempfile::tempdir().unwrap();
    let text = "{ echo lid; echo jar; press; } | while read x; do label \"$x\"; done\n\
                set | while read x; do case $x in hives=*) label \"$x\"; esac; done\n";
    let file = script(folder.path(), format!("hives='2 3'\n{text}"));
    let words = ["walk", "--shell", "dash", "--format", "json", &file];
    let printed = Run::of(&words).any_status();
    let printed = String::from_utf8_lossy(&printed.stdout).into_owned();
    let all: Vec<Value> = printed.lines().map(|line| serde_json::from_str(line).unwrap()).collect();
    let labels =
        of_kind(&all, "command").into_iter().filter(|one| one["argv"][0]["text"] == "label");
    let told: Vec<&str> = labels.filter_map(|one| one["argv"][1]["text"].as_str()).collect();
    assert_eq!((&told[..2], told.last()), (&["lid", "jar"][..], Some(&"hives='2 3'")));
}

#[test]
fn a_program_that_a_changed_path_hides_is_told_of() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(folder.path(), "cat </dev/null\nPATH=/no/hive\ncat jar\nstick jar\n");
    let printed = Run::of(&["walk", "--shell", "dash", &file]).prints();
    let told: Vec<&str> = printed.lines().filter(|line| line.contains("lost-program")).collect();
    assert_eq!(told.len(), 1, "{printed}");
    assert!(told[0].ends_with("line 3, column 1"), "{printed}");
}

#[test]
fn a_script_that_a_signal_ends_tells_what_its_action_sees() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(
        folder.path(),
        "trap 'label bye $?' EXIT\nset -- hive\n(exit 4)\nkill -TERM $$\nlabel never\n",
    );
    for (shell, seen) in
        [("bash", Some("0")), ("ksh93", Some("4")), ("mksh", Some("143")), ("dash", None)]
    {
        // The number of the process stays unknown.
        let words = ["walk", "--format", "json", "--shell", shell, &file];
        let printed = String::from_utf8(Run::of(&words).any_status().stdout).unwrap();
        let told: Vec<Value> =
            printed.lines().map(|line| serde_json::from_str(line).unwrap()).collect();
        let labels: Vec<&Value> = of_kind(&told, "command")
            .into_iter()
            .filter(|command| command["argv"][0]["text"] == "label")
            .collect();
        match seen {
            Some(status) => {
                assert_eq!(labels.len(), 1, "{shell}");
                assert_eq!(labels[0]["argv"][2]["text"], status, "{shell}");
            }
            None => assert!(labels.is_empty(), "{shell}"),
        }
        assert_eq!(of_kind(&told, "end")[0]["exit"], 143, "{shell}");
    }
}

#[test]
fn both_outputs_go_to_a_file_that_is_there_already() {
    let folder = tempfile::tempdir().unwrap();
    let file = script(
        folder.path(),
        "set -C\necho old >labels\necho lime &>|labels\nread kept <labels\nlabel \"$kept\"\n",
    );
    for shell in ["mksh", "zsh"] {
        let told = events(&["--shell", shell, &file]);
        let last = of_kind(&told, "command").pop().cloned().unwrap();
        assert_eq!(last["argv"][1]["text"], "lime", "{shell}");
    }
}
