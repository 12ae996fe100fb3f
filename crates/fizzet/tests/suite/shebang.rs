//! `fizzet shebang` on files in a temporary folder.

use std::fs::{File, Permissions};
use std::os::unix::fs::{PermissionsExt, symlink};
use std::path::Path;

use serde_json::Value;

use crate::program::Run;

fn script(folder: &Path, name: &str, content: &[u8], mode: u32) {
    let path = folder.join(name);
    std::fs::write(&path, content).unwrap();
    std::fs::set_permissions(path, Permissions::from_mode(mode)).unwrap();
}

#[test]
fn a_chain_is_followed_to_the_program() {
    let folder = tempfile::tempdir().unwrap();
    script(folder.path(), "press", b"#! ./lid -h  x \n", 0o755);
    script(folder.path(), "lid", b"#!/bin/sh\n", 0o755);
    let words = ["shebang", "--format", "nul", "press", "lime honey", "-x"];
    let vector = Run::of(&words).within(folder.path()).status(0).stdout;
    assert_eq!(vector, b"/bin/sh\0./lid\0-h  x\0press\0lime honey\0-x\0");
    let shown = Run::of(&["shebang", "press", "lime honey"]).within(folder.path()).prints();
    for part in [
        "press is a script",
        "one argument",
        "runs /bin/sh",
        "column 10 of the #! line of press",
        "argument 1, as given",
        "note one-argument",
        "note relative-interpreter",
    ] {
        assert!(shown.contains(part), "{part:?} is missing in:\n{shown}");
    }
}

#[test]
fn what_is_no_script_has_a_clear_outcome() {
    let folder = tempfile::tempdir().unwrap();
    symlink("nowhere", folder.path().join("dangling")).unwrap();
    symlink("loop", folder.path().join("loop")).unwrap();
    script(folder.path(), "text", b"label\n", 0o755);
    script(folder.path(), "empty", b"", 0o755);
    script(folder.path(), "plain", b"#!/bin/sh\n", 0o644);
    script(folder.path(), "crlf", b"#!/bin/sh\r\n", 0o755);
    script(folder.path(), "large", b"", 0o755);
    File::options()
        .write(true)
        .open(folder.path().join("large"))
        .unwrap()
        .set_len(1 << 30)
        .unwrap();
    for (file, errno, why) in [
        ("nosuch", "ENOENT", "there is no such file"),
        (".", "EACCES", "it is a folder"),
        ("dangling", "ENOENT", "a link that leads nowhere"),
        ("loop", "ELOOP", "in a loop"),
        ("/dev/zero", "EACCES", "it is a device"),
        ("text/x", "ENOTDIR", "no folder"),
        ("text", "ENOEXEC", "does not begin with #!"),
        ("empty", "ENOEXEC", "the file is empty"),
        ("plain", "EACCES", "no x permission"),
        ("crlf", "ENOENT", "carriage return"),
        ("large", "ENOEXEC", "no program"),
    ] {
        let words = ["shebang", "--format", "json", file];
        let printed = Run::of(&words).within(folder.path()).status(0).stdout;
        let document: Value = serde_json::from_slice(&printed).unwrap();
        assert_eq!(document["outcome"], "fails", "{file}");
        assert_eq!(document["errno"], errno, "{file}");
        let reason = document["reason"].as_str().unwrap();
        assert!(reason.contains(why), "{file}: {reason}");
    }
}

#[test]
fn a_first_line_needs_no_file() {
    let of = |line: &str| {
        let words = ["shebang", "--bytes", "--format", "json", "--first-line", line, "a"];
        let printed = Run::of(&words).status(0).stdout;
        serde_json::from_slice::<Value>(&printed).unwrap()
    };
    assert_eq!(of(r"#!/bin/sh -e\0x")["argv"][1]["text"], "-e");
    assert_eq!(of("2321 2f62696e2f7368 20 ff 0a")["argv"][1]["hex"], "ff");
    assert_eq!(of(r"#!/usr/bin/env -x")["outcome"], "env-refuses");
    let wrong = Run::of(&["shebang", "--bytes", "--first-line", r"#!\q"]).status(2);
    let told = String::from_utf8(wrong.stderr).unwrap();
    assert!(told.contains("byte 3 begins no escape"), "{told}");
    let nothing = Run::of(&["shebang"]).status(2);
    assert!(String::from_utf8(nothing.stderr).unwrap().contains("--first-line"));
}

#[test]
fn a_vector_that_nobody_receives_is_not_printed() {
    let output = Run::of(&["shebang", "--format", "nul", "/nosuch", "a"]).status(2);
    assert!(output.stdout.is_empty());
    assert!(String::from_utf8(output.stderr).unwrap().contains("no program receives"));
}

#[test]
fn the_picture_shows_the_environment_as_env_leaves_it() {
    let line = "#!/usr/bin/env -S -u HIVE JAR=lime sh";
    let words = ["shebang", "--clean", "--env", "HIVE=north", "--path", "/bin", "--show", "memory"];
    let words: Vec<&str> = words.into_iter().chain(["--first-line", line]).collect();
    let shown = Run::of(&words).prints();
    assert!(shown.contains("JAR=lime NUL"), "{shown}");
    assert!(!shown.contains("HIVE=north"), "{shown}");
    assert!(shown.contains(" /bin/sh NUL"), "{shown}");
}

#[test]
fn other_systems_stand_side_by_side() {
    let words = ["shebang", "--system", "all", "--first-line", "#!/bin/sh -e -u"];
    let shown = Run::of(&words).prints();
    for part in ["linux", "freebsd", "macos", "argument 2   -u", "Documented", "Observed"] {
        assert!(shown.contains(part), "{part:?} is missing in:\n{shown}");
    }
    let wrong = Run::of(&["shebang", "--system", "hive", "x"]).status(2);
    assert!(String::from_utf8(wrong.stderr).unwrap().contains("freebsd"));
}
