//! What programs get as their environment, checked against dash and bash.

use std::fs;
use std::path::Path;
use std::process::Command;

use crate::program::{Run, printed_by};

/// Each line asks a program for one variable.
const SCRIPT: &str = r#"
tell() { env | sed -n "s/^$1=/$2 $1=/p"; }
export hive=1
f() { local hive=2; tell hive local; }; f
g() { local hive; hive=3; tell hive assigned; }; g
export jar; jar=5; tell jar later
lid=1 env | sed -n 's/^lid=/before /p'
h() { tell comb call; }; comb=2 h
export comb; comb=3 h; tell comb behind
set -a; label=9; set +a; tell label all
unset jar; jar=7; tell jar unset
(export press=1); tell press subshell
"#;

fn real(shell: &str, script: &Path) -> String {
    let mut command = Command::new(shell);
    command.arg(script).env_clear().env("PATH", "/usr/bin:/bin");
    String::from_utf8(command.output().unwrap().stdout).unwrap()
}

fn walked(shell: &str, script: &Path) -> String {
    let words = ["walk", "--shell", shell, "--allow-run", "--format", "json"];
    let run = Run::of(&[&words[..], &[script.to_str().unwrap()]].concat());
    let events = run.env("PATH", "/usr/bin:/bin").output();
    printed_by(&events)
}

#[test]
fn programs_get_the_variables_that_the_shell_gives_them() {
    let folder = tempfile::tempdir().unwrap();
    let script = folder.path().join("press.sh");
    fs::write(&script, SCRIPT).unwrap();
    for shell in ["dash", "bash"] {
        let expected = real(shell, &script);
        assert!(expected.contains("later jar=5"), "{shell} told something else: {expected}");
        assert_eq!(walked(shell, &script), expected, "{shell}");
    }
}
