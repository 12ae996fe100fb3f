//! `--follow`: from a typed line or a script on into the kernel.

use std::fs::Permissions;
use std::os::unix::fs::PermissionsExt;

use serde_json::Value;

use crate::program::Run;

fn co_op() -> tempfile::TempDir {
    let folder = tempfile::tempdir().unwrap();
    let files = [
        ("press.sh", "#!./lid -h x\n"),
        ("lid", "#!/bin/sh\n"),
        ("plain", "label\n"),
        ("walk.sh", "set -- 'lime honey'\n./press.sh \"$1\"\nnosuch a\n./plain\n"),
    ];
    for (name, content) in files {
        let path = folder.path().join(name);
        std::fs::write(&path, content).unwrap();
        std::fs::set_permissions(path, Permissions::from_mode(0o755)).unwrap();
    }
    folder
}

#[test]
fn a_line_goes_on_through_the_script_to_the_receiver() {
    let folder = co_op();
    let words = ["line", "--follow", "--format", "json", "./press.sh \"$1\"", "lime honey"];
    let printed = Run::of(&words).within(folder.path()).status(0).stdout;
    let document: Value = serde_json::from_slice(&printed).unwrap();
    let way = &document["commands"][0]["way"];
    let argv: Vec<&str> =
        way["argv"].as_array().unwrap().iter().map(|one| one["text"].as_str().unwrap()).collect();
    assert_eq!(argv, ["/bin/sh", "./lid", "-h x", "./press.sh", "lime honey"]);
    assert_eq!(way["outcome"], "runs");
    let shown = Run::of(&["line", "--follow", "./press.sh \"$1\"", "lime honey"])
        .within(folder.path())
        .prints();
    for part in ["./press.sh is a script", "runs /bin/sh", "argument 1, as given"] {
        assert!(shown.contains(part), "{part:?} is missing in:\n{shown}");
    }
}

#[test]
fn a_walk_follows_every_program() {
    let folder = co_op();
    let words = ["walk", "--follow", "--format", "json", "walk.sh"];
    let printed = Run::of(&words).within(folder.path()).env("PATH", ".:/nosuch").status(0).stdout;
    let outcomes: Vec<String> = String::from_utf8(printed)
        .unwrap()
        .lines()
        .map(|line| serde_json::from_str::<Value>(line).unwrap())
        .filter(|event| event["kind"] == "external")
        .map(|event| event["way"]["outcome"].as_str().unwrap().to_owned())
        .collect();
    assert_eq!(outcomes, ["runs", "fails", "read-by-shell"]);
}

#[test]
fn without_path_each_shell_looks_where_it_does() {
    let folder = co_op();
    let found = |shell: &str, line: &str| {
        let words = ["line", "--clean", "--shell", shell, "--format", "nul", line];
        Run::of(&words).within(folder.path()).prints()
    };
    let line = "unset PATH; jar \"$(command -v lid || echo none)\"";
    assert_eq!(found("dash", line), "jar\0lid\0");
    assert_eq!(found("zsh", line), "jar\0none\0");
    assert_eq!(found("mksh", "jar \"$PATH\""), "jar\0/usr/bin:/bin\0");
    assert_eq!(found("ksh93", "PATH=; jar \"$(command -v lid || echo none)\""), "jar\0none\0");
}
