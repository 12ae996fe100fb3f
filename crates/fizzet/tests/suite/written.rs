//! Files that a script writes and reads at once, checked against dash and bash; nothing is written for real.

use std::path::Path;
use std::process::Command;

use crate::program::{Run, printed_by, text};

/// Scripts that print what they read of a file that they write.
const SCRIPTS: &[&str] = &[
    "echo old >jars; { echo new; read -r x; echo \"$x\" >&2; } >jars <jars 2>&1; read -r x <jars; echo \"$x\"",
    "echo one >jars; exec 3<jars; read -r x <&3; echo two >>jars; read -r y <&3; echo \"$x $y\"",
    "echo one >jars; while read -r x; do echo \"$x\"; [ \"$x\" = one ] && echo two >>jars; done <jars",
    "echo one >jars; while read -r x; do echo \"$x\"; echo two >jars; done <jars; read -r x <jars; echo \"$x\"",
    "echo old >jars; read -r x <jars >jars; echo \"$? [$x]\"; read -r x <jars; echo \"$? [$x]\"",
    "exec 3<>jars; read -r x <&3; echo \"$? [$x]\"; echo lid >>jars; read -r x <&3; echo \"$? [$x]\"",
];

/// Scripts that write files of names that are not known as a whole, and read them again: what they print holds
/// nothing of those names.
const UNKNOWN_NAMES: &[&str] = &[
    "jars=./jars.$$; echo 'lime dark' >$jars; while read -r x y; do echo \"$y $x\"; done <$jars; rm -f $jars",
    "jars=$(mktemp); echo one >\"$jars\"; echo two >>\"$jars\"; { read -r x; read -r y; } <\"$jars\"; echo \"$y $x\"; rm \"$jars\"",
    "one=$(mktemp) two=$(mktemp); echo a >$one; echo b >$two; read -r x <$one; read -r y <$two; echo \"$x $y\"; rm $one $two",
    "conf=./hive.$$; echo 'lid=black jars=\"$1 $2\"' >$conf; . $conf; echo \"$lid [$jars]\"; rm $conf",
    "jars=./jars.$$; [ -f $jars ] || echo none; echo x >$jars; [ -s \"$jars\" ] && [ -n \"$jars\" ] && echo there; rm $jars",
    "jars=./jars.$$; case $jars in ./jars*) echo jars ;; *) echo other ;; esac; [ $jars = ./lids ] || echo no lids",
    "jars=./jars.$$; echo x >$jars.new; read -r y <$jars.new; [ $jars.new = \"$jars.new\" ] && echo \"$y\"; rm $jars.new",
];

/// What the real shell prints for a script that it finds in a folder.
fn real(shell: &str, folder: &Path) -> String {
    let mut command = Command::new(shell);
    let output = command.arg("./script").current_dir(folder).env_clear().output().unwrap();
    String::from_utf8(output.stdout).unwrap()
}

#[test]
fn what_is_read_follows_what_is_written() {
    walked_as_they_run(SCRIPTS, 0);
}

#[test]
fn files_of_unknown_names_are_found_again() {
    // Something is not known, and that is said.
    walked_as_they_run(UNKNOWN_NAMES, 3);
}

fn walked_as_they_run(scripts: &[&str], status: i32) {
    for shell in ["dash", "bash"] {
        for script in scripts {
            let (place, twin) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
            for folder in [&place, &twin] {
                std::fs::write(folder.path().join("script"), format!("{script}\n")).unwrap();
            }
            let run = Run::of(&["walk", "--shell", shell, "--format", "json", "./script"]);
            let output = run.within(place.path()).status(status);
            let walked = printed_by(&text(&output.stdout));
            assert_eq!(walked, real(shell, twin.path()), "{shell}: {script}");
            let left = std::fs::read_dir(place.path()).unwrap().count();
            assert_eq!(left, 1, "the walk has written a file: {script}");
        }
    }
}
