//! `cd` and `pwd` through symbolic links, checked against the shells that are there.

use std::fs;
use std::os::unix::fs::symlink;
use std::path::Path;
use std::process::Command;

use fizzet_core::dialect::Shell;
use fizzet_truth::find;
use serde_json::Value;

/// Each line is carried out in a folder with `a/b`, a link `l` that leads there, a link `m` to that, and
/// a file `f`.
const LINES: &[&str] = &[
    "cd l; echo ${PWD##*/}; cd ..; echo ${PWD##*/}",
    "cd -P l; echo ${PWD##*/}; cd ..; echo ${PWD##*/}",
    "cd l; pwd | tail -c 2; pwd -P | tail -c 2; pwd -L | tail -c 2",
    "cd -L l; cd -P -L ../m; echo ${PWD##*/}; cd -LP ../m; echo ${PWD##*/}",
    "cd l/..; echo ${PWD##*/}; cd l/../l; echo ${PWD##*/}",
    "cd -P l/..; echo ${PWD##*/}; cd -P ../m; echo ${PWD##*/}",
    "cd m; cd -P .; echo ${PWD##*/}; cd - >/dev/null; echo ${PWD##*/}",
    "cd nosuch/..; echo $? ${PWD##*/}; cd a/nosuch/../b; echo $? ${PWD##*/}",
    "cd f/..; echo $?; cd f; echo $?; cd -P nosuch; echo $?; cd ''; echo $?",
    "cd l; PWD=/x; pwd | tail -c 2; cd .; echo ${PWD##*/}; unset PWD; cd ..; echo ${PWD##*/}",
    "(set -o physical; cd l; echo ${PWD##*/}; cd -L ../../l; echo ${PWD##*/}) 2>/dev/null; echo end",
    "cd l; cd ../../a; echo $? ${PWD##*/}; echo *",
    "CDPATH=/; cd usr; echo $PWD; cd //usr/; echo $PWD; cd ..; echo $PWD; cd -P //usr; echo $PWD",
];

fn yard(folder: &Path) {
    fs::create_dir_all(folder.join("a/b")).unwrap();
    fs::write(folder.join("f"), "").unwrap();
    symlink("a/b", folder.join("l")).unwrap();
    symlink("l", folder.join("m")).unwrap();
}

fn real(shell: Shell, line: &str, folder: &Path) -> String {
    let (program, words) = find(shell).unwrap();
    let mut command = Command::new(program);
    // busybox is asked by the name of the shell in it.
    let applet = (shell == Shell::Busybox).then_some("sh");
    command.args(applet).args(words).args(["-c", line]).current_dir(folder);
    command.env_clear().env("PATH", "/usr/bin:/bin");
    String::from_utf8(command.output().unwrap().stdout).unwrap()
}

/// What the script writes in the walk.
fn walked(shell: Shell, script: &Path, folder: &Path) -> String {
    let mut command = Command::new(env!("CARGO_BIN_EXE_fizzet"));
    command.args(["walk", "--shell", shell.name(), "--allow-run", "--format", "json"]);
    command.arg(script).current_dir(folder).env_clear().env("PATH", "/usr/bin:/bin");
    let events = command.output().unwrap().stdout;
    let events = events.split(|&byte| byte == b'\n').filter(|line| !line.is_empty());
    let events = events.map(|line| serde_json::from_slice::<Value>(line).unwrap());
    events.filter_map(|event| event["text"].as_str().map(str::to_string)).collect()
}

#[test]
#[ignore = "runs real shells"]
fn folders_are_left_and_entered_through_links_as_in_each_shell() {
    let folder = tempfile::tempdir().unwrap();
    yard(folder.path());
    let script = folder.path().join("script");
    for shell in Shell::ALL.into_iter().filter(|shell| *shell != Shell::Posix) {
        assert!(find(shell).is_some(), "{shell} is not installed; .ci/run installs it");
        for line in LINES {
            fs::write(&script, line).unwrap();
            let expected = real(shell, line, folder.path());
            let got = walked(shell, &script, folder.path());
            assert_eq!(got, expected, "{shell}: {line}");
        }
    }
}
