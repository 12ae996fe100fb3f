//! Truth about calls of the exec family: what a program does that `cc` makes of one, and what the core
//! predicts.

use std::io;
use std::os::unix::fs::PermissionsExt;
use std::process::Command;

use fizzet_core::kernel::call::function::read;
use fizzet_core::kernel::call::value::Names;
use fizzet_core::kernel::chain::End;
use fizzet_core::kernel::exec::execute;
use fizzet_core::source::{SourceId, SourceKind, Sources};
use fizzet_host::Machine;

use crate::kernel::{Launched, SEARCH, Workshop};

/// A program around a call: it tells the error if the call comes back.
const AROUND: (&str, &str) = (
    r#"
#define _GNU_SOURCE
#include <errno.h>
#include <fcntl.h>
#include <signal.h>
#include <spawn.h>
#include <stdio.h>
#include <stdlib.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>
extern char **environ;
static pid_t pid;
static int spawned(int error) {
    int status = 0;
    errno = error;
    if (!error && waitpid(pid, &status, 0) == pid) {
        if (WIFSIGNALED(status)) raise(WTERMSIG(status));
        exit(WEXITSTATUS(status));
    }
    return error;
}
#define posix_spawn(...) spawned(posix_spawn(__VA_ARGS__))
#define posix_spawnp(...) spawned(posix_spawnp(__VA_ARGS__))
int main(void) {
    struct rlimit second = {1, 1};
    if (setrlimit(RLIMIT_CPU, &second)) return 96;
    alarm(20);
"#,
    r#"
    printf("%d\n", errno);
    return 99;
}
"#,
);

/// The files that the calls are about, with their permission bits.
const FILES: [(&str, u32, &str); 5] = [
    ("press", 0o755, "#!./label -h x\n"),
    ("text", 0o755, "./label \"$0\" \"$@\"\n"),
    ("lid", 0o644, "#!./label\n"),
    ("bin/lid", 0o755, "#!./nosuch\n"),
    ("bin/comb", 0o755, "./label \"$0\" \"$@\"\n"),
];

impl Workshop {
    fn lay_out_calls(&self) -> io::Result<()> {
        for (name, mode, content) in FILES {
            let path = self.work().join(name);
            std::fs::write(&path, content)?;
            std::fs::set_permissions(&path, PermissionsExt::from_mode(mode))?;
        }
        Ok(())
    }

    /// What the program does that `cc` makes of a call.
    ///
    /// # Errors
    /// A call that `cc` does not take, or a program that cannot be started.
    pub fn called(&self, call: &str) -> io::Result<Launched> {
        self.lay_out_calls()?;
        let source = self.root.path().join("call.c");
        let program = self.root.path().join("call");
        std::fs::write(&source, [AROUND.0, call, ";", AROUND.1].concat())?;
        let built = Command::new("cc").args(["-w", "-o"]).arg(&program).arg(&source).status()?;
        if !built.success() {
            return Err(io::Error::other(format!("cc does not take {call}")));
        }
        let mut command = Command::new(&program);
        command.current_dir(self.work()).env_clear().env("PATH", SEARCH);
        self.outcome_of(command)
    }

    /// What the core says of a call.
    ///
    /// # Errors
    /// Files that cannot be written, or a call that cannot be read.
    pub fn call_prediction(&self, call: &str) -> io::Result<Launched> {
        self.lay_out_calls()?;
        let mut sources = Sources::new(SourceKind::Line, call.as_bytes());
        let call =
            read(call.as_bytes(), SourceId::MAIN, &Names::new()).map_err(io::Error::other)?;
        let environment = [format!("PATH={SEARCH}").into_bytes()];
        let machine = Machine::at(self.work());
        let execution = execute(&call, &machine, &mut sources, &environment, None);
        let Some(launch) = execution.launch else {
            return Err(io::Error::other("what happens is left to chance"));
        };
        let words = |from: usize| launch.argv[from..].iter().map(|text| text.bytes().to_vec());
        Ok(match launch.end {
            // The files of text hand on what they receive.
            End::Runs { path, .. } if path == b"/bin/sh" => {
                Launched::Received([b"./label".to_vec()].into_iter().chain(words(1)).collect())
            }
            End::Runs { .. } => Launched::Received(words(0).collect()),
            End::Fails(failure) => Launched::Failed(failure.errno.name().into()),
            End::EnvRefuses { status, .. } => Launched::Ended(i32::from(status)),
            End::Endless | End::ReadByShell { .. } => Launched::Endless,
        })
    }
}
