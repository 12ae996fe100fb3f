//! The real shells of this machine.

use std::path::PathBuf;
use std::process::Command;

use fizzet_core::dialect::Shell;

/// How a real shell is started, if it is installed: the program and the words before `-c`.
pub fn find(shell: Shell) -> Option<(PathBuf, &'static [&'static str])> {
    let (name, words): (&str, &[&str]) = match shell {
        Shell::Posix => return None,
        Shell::Bash => ("bash", &["--norc"]),
        Shell::Dash => ("dash", &[]),
        Shell::Busybox => ("busybox", &[]),
        Shell::Ksh93 => ("ksh93", &[]),
        Shell::Mksh => ("mksh", &[]),
        Shell::Zsh => ("zsh", &["-f"]),
    };
    let path = std::env::var_os("PATH")?;
    let found =
        std::env::split_paths(&path).map(|folder| folder.join(name)).find(|at| at.is_file());
    found.map(|program| (program, words))
}

/// The version that a real shell tells of itself (dash tells none: then that of its package).
pub fn version(shell: Shell) -> Option<String> {
    let (program, _) = find(shell)?;
    let asked = |words: &[&str]| {
        let output = Command::new(&program).args(words).output().ok()?;
        let text = String::from_utf8_lossy(&output.stdout).lines().next()?.trim().to_string();
        (!text.is_empty()).then_some(text)
    };
    match shell {
        Shell::Bash => asked(&["-c", "echo $BASH_VERSION"]),
        Shell::Ksh93 => asked(&["-c", "echo ${.sh.version}"]),
        Shell::Mksh => asked(&["-c", "echo $KSH_VERSION"]),
        Shell::Zsh => asked(&["-c", "echo $ZSH_VERSION"]),
        Shell::Busybox => asked(&["--help"]),
        Shell::Dash => {
            let query = ["-W", "-f", "${Version}", "dash"];
            let output = Command::new("dpkg-query").args(query).output().ok()?;
            Some(String::from_utf8_lossy(&output.stdout).trim().to_string())
        }
        Shell::Posix => None,
    }
}
