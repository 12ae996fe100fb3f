//! The shell modes.

use std::fmt;

/// A shell whose rules can be asked for.
#[derive(Clone, Copy, PartialEq, Eq, Hash, Debug)]
pub enum Shell {
    /// What POSIX.1-2024 says, with the least of what it leaves open.
    Posix,
    /// bash 5.2
    Bash,
    /// dash 0.5.12
    Dash,
    /// busybox sh 1.35
    Busybox,
    /// ksh93u+m 1.0.4
    Ksh93,
    /// mksh R59
    Mksh,
    /// zsh 5.9
    Zsh,
}

impl Shell {
    /// All of them, in the order of the table's columns.
    pub const ALL: [Shell; 7] = [
        Shell::Posix,
        Shell::Bash,
        Shell::Dash,
        Shell::Busybox,
        Shell::Ksh93,
        Shell::Mksh,
        Shell::Zsh,
    ];

    /// The name used on the command line and in JSON.
    pub fn name(self) -> &'static str {
        match self {
            Shell::Posix => "posix",
            Shell::Bash => "bash",
            Shell::Dash => "dash",
            Shell::Busybox => "busybox",
            Shell::Ksh93 => "ksh93",
            Shell::Mksh => "mksh",
            Shell::Zsh => "zsh",
        }
    }

    /// The shell with this name.
    pub fn from_name(name: &str) -> Option<Shell> {
        Shell::ALL.into_iter().find(|shell| shell.name() == name)
    }
}

impl fmt::Display for Shell {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.name())
    }
}
