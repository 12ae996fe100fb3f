//! The folder that a shell finds itself in, whatever PWD says, checked against dash and bash.

use std::os::unix::fs::symlink;
use std::path::Path;
use std::process::Command;

use crate::program::{Run, printed_by};

/// What the real shell prints for a script that it finds in the folder.
fn real(shell: &str, folder: &Path, named: Option<&str>) -> String {
    let mut command = Command::new(shell);
    command.arg("./where").current_dir(folder).env_clear().env("HOME", "/home/keeper");
    command.envs(named.map(|named| ("PWD", named)));
    String::from_utf8(command.output().unwrap().stdout).unwrap()
}

/// What `walk` says that it prints.
fn walked(shell: &str, folder: &Path, named: Option<&str>) -> String {
    let run = Run::of(&["walk", "--shell", shell, "--format", "json", "./where"]).within(folder);
    let run = match named {
        Some(named) => run.env("PWD", named),
        None => run,
    };
    let events = run.prints();
    printed_by(&events)
}

#[test]
fn a_shell_knows_its_folder_whatever_pwd_says() {
    let place = tempfile::tempdir().unwrap();
    let root = place.path().canonicalize().unwrap();
    let yard = root.join("yard");
    std::fs::create_dir(&yard).unwrap();
    symlink("yard", root.join("shed")).unwrap();
    std::fs::write(yard.join("where"), "echo \"$PWD\"; pwd; cd ..; echo \"$PWD $OLDPWD\"\n")
        .unwrap();
    let shed = root.join("shed");
    let shed = shed.to_str().unwrap();
    for shell in ["dash", "bash"] {
        for named in [None, Some(""), Some("yard"), Some("/hives/nowhere"), Some(shed)] {
            let expected = real(shell, &yard, named);
            assert!(expected.starts_with('/'), "{shell} does not know where it is: {expected}");
            assert_eq!(walked(shell, &yard, named), expected, "{shell} with PWD {named:?}");
        }
    }
}
