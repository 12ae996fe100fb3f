//! Files that a script writes and reads at once, checked against dash and bash; nothing is written for real.

use std::path::Path;
use std::process::Command;

use crate::program::{Run, printed_by};

/// Scripts that print what they read of a file that they write.
const SCRIPTS: &[&str] = &[
    "echo old >jars; { echo new; read -r x; echo \"$x\" >&2; } >jars <jars 2>&1; read -r x <jars; echo \"$x\"",
    "echo one >jars; exec 3<jars; read -r x <&3; echo two >>jars; read -r y <&3; echo \"$x $y\"",
    "echo one >jars; while read -r x; do echo \"$x\"; [ \"$x\" = one ] && echo two >>jars; done <jars",
    "echo one >jars; while read -r x; do echo \"$x\"; echo two >jars; done <jars; read -r x <jars; echo \"$x\"",
    "echo old >jars; read -r x <jars >jars; echo \"$? [$x]\"; read -r x <jars; echo \"$? [$x]\"",
    "exec 3<>jars; read -r x <&3; echo \"$? [$x]\"; echo lid >>jars; read -r x <&3; echo \"$? [$x]\"",
];

/// What the real shell prints for a script that it finds in a folder.
fn real(shell: &str, folder: &Path) -> String {
    let mut command = Command::new(shell);
    let output = command.arg("./script").current_dir(folder).env_clear().output().unwrap();
    String::from_utf8(output.stdout).unwrap()
}

#[test]
fn what_is_read_follows_what_is_written() {
    for shell in ["dash", "bash"] {
        for script in SCRIPTS {
            let (place, twin) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
            for folder in [&place, &twin] {
                std::fs::write(folder.path().join("script"), format!("{script}\n")).unwrap();
            }
            let run = Run::of(&["walk", "--shell", shell, "--format", "json", "./script"]);
            let walked = printed_by(&run.within(place.path()).prints());
            assert_eq!(walked, real(shell, twin.path()), "{shell}: {script}");
            let left = std::fs::read_dir(place.path()).unwrap().count();
            assert_eq!(left, 1, "the walk has written a file: {script}");
        }
    }
}
