//! Who runs a file that the kernel does not know (ENOEXEC), and how.
//!
//! POSIX wants `execvp` and the shell to run it as a script (XSH exec, XCU 2.9.1.6); each does so in a
//! way of its own. What shells do stands in the dialect table.

use crate::dialect::{Dialect, Reader, Refuses, Shell, UnknownFiles};

/// Callers that are no shell, observed as the shells are.
const OTHERS: [(&str, Option<Reader>); 3] = [
    ("execve, execv, posix_spawn, posix_spawnp", None),
    ("execvp, execlp of glibc 2.36", Some(Reader::Sh)),
    ("env of coreutils 9.1", Some(Reader::Sh)),
];

/// Every caller, and what it makes of such a file.
pub fn callers() -> impl Iterator<Item = (&'static str, UnknownFiles)> {
    let other = |(name, reader)| (name, UnknownFiles { reader, refuses: Refuses::Nothing });
    let shells = Shell::ALL.into_iter().filter(|&shell| shell != Shell::Posix);
    let shells = shells.map(|shell| (shell.name(), Dialect::of(shell).unknown_files));
    OTHERS.into_iter().map(other).chain(shells)
}
