//! `fizzet line` end to end.

use std::ffi::OsStr;
use std::os::unix::ffi::OsStrExt;
use std::time::Duration;

use crate::program::{Run, text};
use fizzet_truth::argument_bytes;
use proptest::prelude::*;
use serde_json::Value;

fn json(words: &[&str]) -> Value {
    let mut all = vec!["line", "--format", "json", "--clean"];
    all.extend(words);
    serde_json::from_slice(&Run::of(&all).status(0).stdout).unwrap()
}

fn vector(document: &Value, command: usize) -> Vec<String> {
    let argv = document["commands"][command]["argv"].as_array().unwrap();
    argv.iter().map(|argument| argument["text"].as_str().unwrap().to_owned()).collect()
}

#[test]
fn the_table_shows_each_argument_its_word_and_why() {
    let words = ["line", "--var", "jar=acacia honey", "label $jar \"$jar\" '' \"a\tb\""];
    let expected = "\
bash: line 1, column 1, a program
  label $jar \"$jar\" '' \"a⟨tab⟩b\"
  ───── ──── ────── ── ─────────
  0     1-2  3      4  5

argc = 6
 [0]  label         label      written as it stands
 [1]  acacia        $jar       piece 1 of 2 of $jar (given), split at IFS
 [2]  honey         $jar       piece 2 of 2 of $jar (given), split at IFS
 [3]  acacia␣honey  \"$jar\"     value of $jar (given), kept whole by the quotes
 [4]  ⟨empty⟩       ''         empty quotes make an empty argument
 [5]  a⟨tab⟩b       \"a⟨tab⟩b\"  written in double quotes
 [6]  NULL

note split-value  line 1, column 7
  $jar is not quoted, so it was split at IFS: 2 arguments.
  To keep one argument, write \"$jar\".

note other-count  line 1, column 1
  `label` receives 5 arguments here, but 4 in zsh.
  --shell all shows every vector and the rule that makes the difference.
";
    assert_eq!(Run::of(&words).prints(), expected);
}

#[test]
fn an_array_is_shown_element_by_element() {
    let shown = |line: &str| {
        let out = Run::of(&["line", "--clean", line]).prints();
        let rows = out.lines().filter(|row| row.contains(" = ") || row.contains("element"));
        rows.filter(|row| !row.starts_with("argc")).map(str::to_owned).collect::<Vec<_>>()
    };
    assert_eq!(shown("jars=(lime 'heather honey')"), ["jars[0] = lime", "jars[1] = heather␣honey"]);
    assert_eq!(shown("jars=(); jars[i+1]=lime"), ["jars has no elements", "jars[i+1] = lime"]);
    let many = shown("jars=({1..40})");
    assert_eq!((many.len(), &*many[16]), (17, "... 24 more elements"));
    // Each addition to a large one shows what it adds: together they take time in proportion to the line.
    let grown = "i=0; while [ $i -lt 2000 ]; do jars+=(j$i); i=$((i+1)); done";
    let last = shown(grown).into_iter().rfind(|row| row.starts_with("jars"));
    assert_eq!(last.as_deref(), Some("jars[1999] = j1999"));
    let document = json(&["--shell", "zsh", "jars=(lime heather)"]);
    let elements = &document["commands"][0]["assignments"][0]["elements"];
    assert_eq!(elements[1]["key"]["text"], "2");
    assert_eq!(elements[1]["value"]["text"], "heather");
}

#[test]
fn everything_behind_the_line_belongs_to_the_program() {
    let document = json(&["label \"$@\"", "--format", "-x", "--", "--help"]);
    assert_eq!(vector(&document, 0), ["label", "--format", "-x", "--", "--help"]);
    assert_eq!(document["params"]["positional"].as_array().unwrap().len(), 4);
}

#[test]
fn options_set_up_the_shell() {
    let document = json(&[
        "--shell",
        "dash",
        "--zero",
        "press",
        "--var",
        "x=a:b",
        "--ifs",
        ":",
        "--unset",
        "x",
        "label $0 $x end",
    ]);
    assert_eq!(document["shell"], "dash");
    assert_eq!(vector(&document, 0), ["label", "press", "end"]);
    let document = json(&["--ifs", r"\t", "--var", "x=a\tb c", "label $x"]);
    assert_eq!(vector(&document, 0), ["label", "a", "b c"]);
}

#[test]
fn the_environment_counts_unless_clean() {
    let words = ["line", "--format", "nul", "label $JAR"];
    let run = Run::of(&words).env("JAR", "lid").env("IFS", "i");
    assert_eq!(run.status(0).stdout, b"label\0lid\0");
    let words = ["line", "--clean", "--format", "nul", "label $JAR"];
    assert_eq!(Run::of(&words).env("JAR", "lid").status(0).stdout, b"label\0");
}

#[test]
fn pathnames_come_from_dir() {
    let folder = tempfile::tempdir().unwrap();
    for name in ["b jar", "a jar", ".draft", "-lid"] {
        std::fs::write(folder.path().join(name), "").unwrap();
    }
    let dir = folder.path().to_str().unwrap();
    let document = json(&["--dir", dir, "label *"]);
    assert_eq!(vector(&document, 0), ["label", "-lid", "a jar", "b jar"]);
    let piece = &document["commands"][0]["argv"][1]["pieces"][0];
    assert_eq!((&piece["rule"], &piece["source"]["start"]), (&"pathname".into(), &6.into()));
}

#[test]
fn a_list_shows_every_command_and_assumes_success() {
    let document = json(&["x=1; label $x && jar | hive; false && never; true"]);
    let kinds: Vec<&str> = document["commands"]
        .as_array()
        .unwrap()
        .iter()
        .map(|command| command["kind"].as_str().unwrap())
        .collect();
    assert_eq!(kinds, ["none", "external", "external", "external", "builtin", "builtin"]);
    assert_eq!(document["assumed_status"], true);
    assert_eq!(document["commands"][0]["assignments"][0]["value"]["text"], "1");
}

#[test]
fn a_dash_means_standard_input() {
    let run = Run::of(&["line", "--format", "nul", "-", "lime honey"]).input(b"label \"$1\"\n");
    assert_eq!(run.status(0).stdout, b"label\0lime honey\0");
}

#[test]
fn each_trap_has_its_note() {
    let folder = tempfile::tempdir().unwrap();
    std::fs::write(folder.path().join("-lid"), "").unwrap();
    let dir = folder.path().to_str().unwrap();
    for (line, expected) in [
        ("label $two", "split-value"),
        ("label $none x", "vanished-value"),
        ("label $blank", "vanished-value"),
        ("label $@", "vanished-value"),
        ("label $star", "value-matched-files"),
        ("label \"$*\"", "joined-parameters"),
        ("label $10", "cut-number"),
        ("label *", "dash-from-data"),
        ("label $dash", "dash-from-data"),
        ("label ''\"$dash\"", "dash-from-data"),
        ("label \u{201c}lime honey\u{201d}", "pasted-text"),
        ("label lime\u{a0}honey", "pasted-text"),
        ("label honey\r", "pasted-text"),
        ("label \"~/hives\"", "quoted-tilde"),
        ("label \"$dash/*.txt\"", "quoted-pattern"),
        ("label \"note: \"lime\" sold\"", "early-quote"),
        ("label \"note: \"lime honey\" sold\"", "early-quote"),
        ("[ $# > 3 ]", "comparison-redirects"),
        ("all=$@", "joined-assignment"),
        ("label $two", "other-count"),
        ("print $two", "foreign-name"),
    ] {
        let document = json(&[
            "--dir",
            dir,
            "--var",
            "two=a b",
            "--var",
            "blank= ",
            "--var",
            "star=*lid",
            "--var",
            "dash=-x",
            line,
            "jar",
            "",
        ]);
        let notes = document["notes"].as_array().unwrap();
        let found = notes.iter().find(|note| note["name"] == expected);
        let note = found.unwrap_or_else(|| panic!("{line}: no {expected} in {notes:?}"));
        assert!(!note["instead"].as_str().unwrap().is_empty());
        assert_eq!(note["source"]["line"], 1);
    }
}

#[test]
fn a_line_without_traps_has_no_notes() {
    let document = json(&[
        "--var",
        "dash=-x",
        "label \"$@\" -- \"$dash\" ${2}x 'a b' ~/\"x y\" > sold",
        "lime honey",
        "",
    ]);
    assert_eq!(document["notes"], Value::Array(Vec::new()));
}

#[test]
fn mistakes_are_underlined_where_they_stand() {
    for (line, place, underlined) in [
        ("label 'lime", "line 1, column 7", "        ^"),
        ("label \"lime", "line 1, column 7", "        ^"),
        ("label ${lime", "line 1, column 7", "        ^^"),
        ("蜂蜜 \"lime", "line 1, column 4", "       ^"),
        ("label a\nlabel 'b", "line 2, column 7", "        ^"),
        ("label | | jar", "line 1, column 9", "          ^"),
        ("label && ", "line 1, column 10", ""),
    ] {
        let said = Run::of(&["line", line]).says(2);
        assert!(said.contains(place), "{line}: {said}");
        assert!(said.contains(underlined), "{line}: {said}");
    }
}

#[test]
fn nothing_half_done_is_printed_as_if_it_were_whole() {
    let output = Run::of(&["line", "--format", "nul", "label a 'b"]).status(2);
    assert!(output.stdout.is_empty());
    let output = Run::of(&["line", "--format", "json", "label a 'b"]).status(2);
    let document: Value = serde_json::from_slice(&output.stdout).unwrap();
    assert_eq!(
        (&document["status"], &document["problem"]["source"]["column"]),
        (&"error".into(), &9.into())
    );
}

#[test]
fn unusable_arguments_are_named() {
    let said = Run::of(&["line", "--dir", "/no/such/folder", "label"]).says(2);
    assert!(said.contains("--dir /no/such/folder") && said.contains("name a folder"), "{said}");
    assert!(Run::of(&["line", "--var", "x", "label"]).says(2).contains("--var NAME=VALUE"));
    assert!(Run::of(&["line", "--unset", "1x", "label"]).says(2).contains("not a name"));
    assert!(Run::of(&["line", "--shell", "nosuch", "label"]).says(2).contains("bash"));
    assert!(Run::of(&["line", "--shel", "dash", "label"]).says(2).contains("--shell"));
    Run::of(&["line"]).says(2);
}

#[test]
fn an_empty_line_executes_nothing() {
    for line in ["", "   ", "# only a note", "\n\n"] {
        assert_eq!(json(&[line])["commands"], Value::Array(Vec::new()));
    }
    assert!(Run::of(&["line", ""]).prints().contains("no command"));
}

#[test]
fn a_line_of_a_mebibyte_is_traced_whole() {
    let line = format!("label {}", "jar ".repeat(1 << 18));
    let traced = |format| Run::of(&["line", "--format", format, "-"]).input(line.as_bytes());
    for format in ["nul", "json"] {
        let output = traced(format).status(0);
        assert!(output.stdout.len() > (1 << 18) * 4, "{format}");
    }
    let text = traced("text").prints();
    assert!(text.contains("argc = 262145") && text.contains("260145 more; --format nul and json"));
}

#[test]
fn invalid_utf8_is_data() {
    let line = OsStr::from_bytes(b"label \xff\"\xc3\"");
    let words = [OsStr::new("line"), OsStr::new("--format"), OsStr::new("json"), line];
    let document: Value = serde_json::from_slice(&Run::of(&words).status(0).stdout).unwrap();
    assert_eq!(argument_bytes(&document["commands"][0]["argv"][1]), b"\xff\xc3");
    let shown = text(&Run::of(&[OsStr::new("line"), line]).status(0).stdout);
    assert!(shown.contains("⟨FF⟩⟨C3⟩"), "{shown}");
    let said = Run::of(&[OsStr::new("line"), OsStr::from_bytes(b"\xff 'a")]).says(2);
    assert!(said.contains("column 3"), "{said}");
}

#[test]
fn no_row_is_wider_than_asked_and_nothing_is_coloured_in_a_pipe() {
    let line =
        "label \"蜂蜜 蜂蜜 蜂蜜 and a long label that goes on and on\" $HOME e\u{301}e\u{301} *";
    for width in [20, 40, 80] {
        let shown = Run::of(&["line", "--width", &width.to_string(), line]).prints();
        for row in shown.lines() {
            let columns = unicode_width::UnicodeWidthStr::width(row);
            assert!(columns <= width.max(34), "{columns} columns at {width}: {row}");
        }
        assert!(!shown.contains('\x1b'));
    }
    let coloured = Run::of(&["line", "--color", "always", line]).prints();
    assert!(coloured.contains('\x1b'));
}

#[test]
fn a_closed_pipe_is_no_error() {
    let mut child = std::process::Command::new(env!("CARGO_BIN_EXE_fizzet"))
        .args(["line", &format!("label {}", "jar ".repeat(30_000))])
        .stdout(std::process::Stdio::piped())
        .stderr(std::process::Stdio::piped())
        .spawn()
        .unwrap();
    drop(child.stdout.take());
    let output = child.wait_with_output().unwrap();
    assert_eq!((output.status.code(), text(&output.stderr)), (Some(0), String::new()));
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 64, failure_persistence: None, ..ProptestConfig::default() })]

    #[test]
    fn single_quotes_keep_any_bytes(bytes in proptest::collection::vec(1u8.., 0..40)) {
        let mut line = b"label '".to_vec();
        for &byte in &bytes {
            match byte {
                b'\'' => line.extend_from_slice(b"'\\''"),
                _ => line.push(byte),
            }
        }
        line.push(b'\'');
        let line = OsStr::from_bytes(&line);
        let nul = Run::of(&[OsStr::new("line"), OsStr::new("--format"), OsStr::new("nul"), OsStr::new("--"), line]);
        let mut expected = b"label\0".to_vec();
        expected.extend_from_slice(&bytes);
        expected.push(0);
        prop_assert_eq!(nul.status(0).stdout, expected.clone());
        let run = Run::of(&[OsStr::new("line"), OsStr::new("--format"), OsStr::new("json"), OsStr::new("--"), line]);
        let document: Value = serde_json::from_slice(&run.status(0).stdout).unwrap();
        let argv = document["commands"][0]["argv"].as_array().unwrap();
        let joined: Vec<u8> = argv.iter().flat_map(|argument| {
            let mut bytes = argument_bytes(argument);
            bytes.push(0);
            bytes
        }).collect();
        prop_assert_eq!(joined, expected);
        for argument in argv {
            let pieces: Vec<u8> = argument["pieces"].as_array().unwrap().iter().flat_map(argument_bytes).collect();
            prop_assert_eq!(pieces, argument_bytes(argument));
        }
    }

    #[test]
    fn any_bytes_are_refused_or_traced_but_nothing_breaks(
        shell in proptest::sample::select(vec!["posix", "bash", "dash", "busybox", "ksh93", "mksh", "zsh"]),
        line in prop_oneof![
            proptest::collection::vec(1u8.., 0..60),
            "[$`'\"{}()\\[\\]*?~:=!#%/^,@+<>&|;\n \\\\axei1-9-]{0,40}".prop_map(String::into_bytes),
        ],
    ) {
        let words = ["line", "--shell", shell, "--"].map(OsStr::new);
        let words = words.iter().copied().chain([OsStr::from_bytes(&line)]);
        let mut run = assert_cmd::Command::new(env!("CARGO_BIN_EXE_fizzet"));
        let output = run.args(words).write_stdin("").output().unwrap();
        prop_assert!(matches!(output.status.code(), Some(0 | 2 | 3 | 4)), "{:?}", output);
    }
}

#[test]
fn bombs_hit_a_stated_limit() {
    let nested = |opener: &str| format!("label {}", opener.repeat(10_000));
    for line in [
        "label {1..999999999}".to_owned(),
        "while :; do :; done".to_owned(),
        "f() { f; }; f".to_owned(),
        "x=a; while :; do x=$x$x; done".to_owned(),
        "x=aaaa; while :; do x=${x//a/bbbb}; x=${x//b/aaaa}; done".to_owned(),
        "while :; do set -- \"$@\" a b c d e f g; label \"$@\"; done".to_owned(),
        nested("$("),
        nested("${x:-"),
        "(".repeat(10_000),
    ] {
        let output = Run::of(&["line", "--format", "nul", &line]).any_status();
        let said = text(&output.stderr);
        let refused = matches!(output.status.code(), Some(2 | 4));
        assert!(refused && said.contains("line 1, column"), "{line:.60}: {said:.300}");
        assert!(output.stdout.is_empty());
    }
}

#[test]
fn what_is_never_closed_is_not_read_again_and_again() {
    for shell in ["bash", "dash", "busybox", "ksh93", "mksh", "zsh"] {
        for opener in ["\"${a[", "${a[", "a[${", "x[\"${y", "a[\"$x", "${#a[", "a[\"$("] {
            let line = opener.repeat(100);
            let mut run = assert_cmd::Command::new(env!("CARGO_BIN_EXE_fizzet"));
            run.args(["line", "--shell", shell, "--", &line]).timeout(Duration::from_secs(20));
            let output = run.output().unwrap();
            assert!(output.status.code().is_some(), "{shell} reads {opener} too often");
        }
    }
}

#[test]
fn a_word_of_ten_mebibytes_is_one_argument() {
    let line = format!("label {}", "j".repeat(10 << 20));
    let output = Run::of(&["line", "--format", "nul", "-"]).input(line.as_bytes()).status(0);
    assert_eq!(output.stdout.len(), line.len() + 1);
}

#[test]
fn lineage_tells_the_way_through_function_shift_and_variable() {
    let line = "f() { shift; y=$1; label \"$y\"; }; f a \"$1\"";
    let words = ["line", "--show", "lineage", line, "lime honey"];
    let shown = Run::of(&words).prints();
    let way = [
        "the value of $y, expanded at line 1, column 27",
        "stored in y at line 1, column 14",
        "the value of $1, expanded at line 1, column 16 (after shift had moved",
        "handed to a function at line 1, column 35",
        "the value of $1, expanded at line 1, column 40",
        "given as argument 1",
    ];
    let last = shown.rfind("lineage").unwrap();
    let mut rest = &shown[last..];
    for step in way {
        let at = rest.find(step).unwrap_or_else(|| panic!("no {step:?} in:\n{rest}"));
        rest = &rest[at..];
    }
    let document = json(&["--show", "lineage", line, "lime honey"]);
    let commands = document["commands"].as_array().unwrap();
    let piece = &commands.last().unwrap()["argv"][1]["pieces"][0];
    let rules: Vec<&str> = piece["lineage"]
        .as_array()
        .unwrap()
        .iter()
        .map(|hop| hop["rule"].as_str().unwrap())
        .collect();
    assert_eq!(rules, ["parameter", "stored", "parameter", "call", "parameter", "given"]);
}

#[test]
fn bytes_are_shown_beside_their_characters() {
    let shown = Run::of(&["line", "--show", "bytes", "label 'ä\t'$x", "--"]).prints();
    assert!(
        shown.contains("     0  c3 a4 09                            ä·            quoted 'ä⟨tab⟩'"),
        "{shown}"
    );
}

#[test]
fn input_that_nobody_knows_is_read_once() {
    let output = Run::of(&["line", "label | while read l; do jar \"$l\"; done"]).status(3);
    assert!(text(&output.stdout).contains("⟨not known⟩"));
    assert!(text(&output.stderr).contains("the input of read"));
}
