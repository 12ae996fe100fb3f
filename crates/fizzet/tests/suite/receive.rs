//! `fizzet receive` end to end: asked for by name, started through a link, and as an interpreter.

use std::ffi::OsStr;
use std::os::unix::ffi::OsStrExt;
use std::os::unix::fs::{PermissionsExt, symlink};
use std::path::Path;
use std::process::Command;

use crate::program::{Run, text};
use fizzet_truth::argument_bytes;
use serde_json::Value;

const FIZZET: &str = env!("CARGO_BIN_EXE_fizzet");

fn recorded(file: &Path) -> Vec<Vec<Vec<u8>>> {
    let lines = std::fs::read_to_string(file).unwrap();
    let vector = |line: &str| -> Vec<Vec<u8>> {
        let record: Value = serde_json::from_str(line).unwrap();
        let argv = record["argv"].as_array().unwrap();
        assert_eq!(record["argc"], argv.len());
        argv.iter().map(argument_bytes).collect()
    };
    lines.lines().map(vector).collect()
}

#[test]
fn the_table_shows_lengths_and_what_fizzet_took() {
    let shown = Run::of(&["receive", "--width", "60", "lime honey", "", "-x", "--format"]).prints();
    let expected = format!(
        "argc = 5\n [0]  {:>2} bytes  {FIZZET}\n [1]  10 bytes  lime␣honey\n [2]   0 bytes  ⟨empty⟩\n [3]   2 bytes  -x\n [4]   8 bytes  --format\n [5]            NULL\ntaken by fizzet itself: receive --width 60\n",
        FIZZET.len()
    );
    // A long path of the program is broken into rows.
    let joined = |shown: &str| shown.replace(['\n', ' '], "");
    assert_eq!(joined(&shown), joined(&expected));
}

#[test]
fn any_bytes_arrive_unchanged() {
    let words = [
        OsStr::new("receive"),
        OsStr::new("--format"),
        OsStr::new("nul"),
        OsStr::from_bytes(b"\xff\xfe"),
        OsStr::new(""),
    ];
    let printed = Run::of(&words).status(0).stdout;
    assert_eq!(printed, [FIZZET.as_bytes(), b"\0\xff\xfe\0\0"].concat());
}

#[test]
fn under_another_name_every_word_is_an_argument() {
    let folder = tempfile::tempdir().unwrap();
    let (link, record) = (folder.path().join("label"), folder.path().join("record"));
    symlink(FIZZET, &link).unwrap();
    let words = ["--help", "--record", "x", "line", "--", "-V", ""];
    for _ in 0..2 {
        let status =
            Command::new(&link).args(words).env("FIZZET_RECORD", &record).status().unwrap();
        assert!(status.success());
    }
    let mut expected = vec![link.as_os_str().as_bytes().to_vec()];
    expected.extend(words.map(|word| word.as_bytes().to_vec()));
    assert_eq!(recorded(&record), [expected.clone(), expected]);
    let shown = Command::new(&link).arg("--version").env_remove("FIZZET_RECORD").output().unwrap();
    assert!(text(&shown.stdout).starts_with("argc = 2"));
}

#[test]
fn it_can_be_an_interpreter() {
    let folder = tempfile::tempdir().unwrap();
    let record = folder.path().join("record");
    let (script, link) = (folder.path().join("press"), folder.path().join("fizzet"));
    symlink(FIZZET, &link).unwrap();
    let interpreter = link.display();
    for (first, taken) in [
        (format!("#!{interpreter}\n"), vec![]),
        (format!("#!{interpreter} receive\n"), vec!["receive"]),
    ] {
        std::fs::write(&script, first).unwrap();
        std::fs::set_permissions(&script, std::fs::Permissions::from_mode(0o755)).unwrap();
        let mut command = Command::new(&script);
        command.args(["--help", "a b"]).env("FIZZET_RECORD", &record);
        let status = loop {
            // A child that another test has just begun may still have the script open for writing.
            match command.status() {
                Err(error) if error.kind() == std::io::ErrorKind::ExecutableFileBusy => {
                    std::thread::yield_now();
                }
                status => break status.unwrap(),
            }
        };
        assert!(status.success());
        let vector = recorded(&record).pop().unwrap();
        let tail: Vec<&[u8]> = vector[1..].iter().map(|bytes| &bytes[..]).collect();
        assert_eq!(tail, [script.as_os_str().as_bytes(), b"--help", b"a b"]);
        let line = std::fs::read_to_string(&record).unwrap();
        let last: Value = serde_json::from_str(line.lines().last().unwrap()).unwrap();
        let words: Vec<&str> = last["taken"]
            .as_array()
            .unwrap()
            .iter()
            .map(|word| word["text"].as_str().unwrap())
            .collect();
        assert_eq!(words, taken);
    }
}

#[test]
fn receivers_at_the_same_time_do_not_mix() {
    let folder = tempfile::tempdir().unwrap();
    let record = folder.path().join("record");
    let long = "jar".repeat(30_000);
    let children: Vec<_> = (0..8)
        .map(|_| {
            let mut command = Command::new(FIZZET);
            command.args(["receive", "--record"]).arg(&record).arg(&long).spawn().unwrap()
        })
        .collect();
    for mut child in children {
        assert!(child.wait().unwrap().success());
    }
    let vectors = recorded(&record);
    assert_eq!(vectors.len(), 8);
    assert!(vectors.iter().all(|vector| vector[1] == long.as_bytes()));
}

#[test]
fn a_record_file_that_cannot_be_written_is_named() {
    let said = Run::of(&["receive", "--record", "/no/such/record", "a"]).says(2);
    assert!(said.contains("/no/such/record") && said.contains("FIZZET_RECORD"), "{said}");
}
