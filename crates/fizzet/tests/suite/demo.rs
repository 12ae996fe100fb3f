//! `fizzet demo`, and the commands that the README shows.

use std::path::Path;
use std::process::Command;

use crate::program::Run;

#[test]
fn the_tour_runs_from_any_folder_and_leaves_nothing_there() {
    let folder = tempfile::tempdir().unwrap();
    let shown = Run::of(&["demo"]).within(folder.path()).prints();
    for part in [
        "$ fizzet line",
        "acacia␣honey",
        "note split-value",
        "1 program receives the same in every shell",
        "$ ./label",
        "scripts/seal.sh is a script",
        "what happens is left to chance",
        "fails with E2BIG",
        "IndexError",
        "problem left-over",
        "this \" is never closed",
    ] {
        assert!(shown.contains(part), "the tour lacks {part:?}:\n{shown}");
    }
    assert!(!shown.contains("--color"), "the tour shows only what a person would type");
    assert_eq!(std::fs::read_dir(folder.path()).unwrap().count(), 0);
}

/// The commands in the README's `console` blocks, each with the output that is shown below it.
fn readme_commands() -> Vec<(String, String)> {
    let readme = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../README.md");
    let text = std::fs::read_to_string(readme).unwrap();
    let mut commands = Vec::new();
    for block in text.split("```console\n").skip(1) {
        let block = block.split("```").next().unwrap();
        for command in block.split("$ ").skip(1) {
            let (line, output) = command.split_once('\n').unwrap();
            commands.push((line.to_owned(), output.to_owned()));
        }
    }
    commands
}

#[test]
fn every_command_of_the_readme_prints_what_it_shows() {
    let commands = readme_commands();
    assert!(commands.len() >= 5, "the README shows {} commands", commands.len());
    let folder = tempfile::tempdir().unwrap();
    let bin = Path::new(env!("CARGO_BIN_EXE_fizzet")).parent().unwrap();
    let data = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../demo");
    for (line, expected) in commands {
        let output = Command::new("bash")
            .args(["--norc", "-c", &format!("exec 2>&1; {line}")])
            .current_dir(if line.contains("ln -s") { folder.path() } else { &data })
            .env("PATH", format!("{}:/usr/bin:/bin", bin.display()))
            .env_remove("FIZZET_RECORD")
            .output()
            .unwrap();
        let shown = String::from_utf8_lossy(&output.stdout);
        assert_eq!(shown.trim_end(), expected.trim_end(), "$ {line}");
    }
}
