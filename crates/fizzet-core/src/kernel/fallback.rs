//! Who runs a file that the kernel does not know (ENOEXEC), and how.
//!
//! POSIX wants `execvp` and the shell to run it as a script (XSH exec, XCU 2.9.1.6); each does so in a
//! way of its own. All rows were observed with files of text, empty files, files with a NUL in the
//! first line or behind it, and broken programs.

use crate::dialect::Shell;
use crate::kernel::first_line::BUFFER;

/// One of those that may run such a file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Runner {
    /// Its name.
    pub name: &'static str,
    /// What reads the file as a script; nothing where the error is handed on.
    pub reader: Option<Reader>,
    /// Which files are refused all the same.
    pub refuses: Refuses,
}

/// What reads the file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reader {
    /// `/bin/sh`, which is executed with the path before the arguments.
    Sh,
    /// The shell itself, in a process of its own: `$0` is the path.
    Itself,
}

/// Which files are not read as scripts.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Refuses {
    /// None.
    Nothing,
    /// Broken programs, and files with a NUL in the first line.
    Binaries,
    /// Files with a NUL in the first line.
    NulInLine,
    /// Those, and files whose `#!` line names nothing.
    NulOrMark,
    /// Broken programs.
    Programs,
}

/// The table.
pub static RUNNERS: [Runner; 9] = {
    use Reader::{Itself, Sh};
    use Refuses::{Binaries, Nothing, NulInLine, NulOrMark, Programs};
    const fn row(name: &'static str, reader: Option<Reader>, refuses: Refuses) -> Runner {
        Runner { name, reader, refuses }
    }
    [
        row("execve, execv, posix_spawn, posix_spawnp", None, Nothing),
        row("execvp, execlp of glibc 2.36", Some(Sh), Nothing),
        row("env of coreutils 9.1", Some(Sh), Nothing),
        row("bash 5.2", Some(Itself), Binaries),
        row("dash 0.5.12", Some(Itself), Binaries),
        row("busybox sh 1.35", Some(Itself), Nothing),
        row("ksh93u+m", Some(Itself), NulInLine),
        row("mksh R59", Some(Sh), Programs),
        row("zsh 5.9", Some(Sh), NulOrMark),
    ]
};

/// The row of a shell; that of dash for the posix mode.
pub fn runner(shell: Shell) -> Option<&'static Runner> {
    let name = match shell {
        Shell::Posix => Shell::Dash.name(),
        shell => shell.name(),
    };
    RUNNERS.iter().find(|runner| runner.name.starts_with(name))
}

impl Runner {
    /// What reads a file that begins so; nothing where it is refused.
    pub fn reads(&self, head: &[u8]) -> Option<Reader> {
        let head = &head[..head.len().min(BUFFER)];
        let line = head.split(|&byte| byte == b'\n').next().unwrap_or_default();
        let has_nul = line.contains(&0);
        let is_program = head.starts_with(b"\x7fELF");
        let refused = match self.refuses {
            Refuses::Nothing => false,
            Refuses::Binaries => has_nul || is_program,
            Refuses::NulInLine => has_nul,
            Refuses::NulOrMark => has_nul || head.starts_with(b"#!"),
            Refuses::Programs => is_program,
        };
        self.reader.filter(|_| !refused)
    }
}
