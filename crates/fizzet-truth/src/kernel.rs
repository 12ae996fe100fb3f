//! Truth about `#!` files: what the running kernel does with one, and what the core predicts.

use std::ffi::OsStr;
use std::fmt;
use std::io;
use std::os::unix::ffi::OsStrExt;
use std::os::unix::fs::PermissionsExt;
use std::path::{Path, PathBuf};
use std::process::{Command, Output, Stdio};
use std::time::Duration;

use fizzet_core::kernel::Errno;
use fizzet_core::kernel::chain::{Caller, End, HopKind, Request, given, launch};
use fizzet_core::kernel::limits;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_host::Machine;

use crate::listed;
use crate::outcome::{Outcome, Vector};

/// Calls execve in a folder and tells the error, if it comes back. Scripts that launch each other
/// without end are stopped after a second of the processor's time, which a busy machine does not
/// make shorter; what waits instead is stopped by the clock.
const HELPER: &str = r#"
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/resource.h>
#include <unistd.h>
extern char **environ;
int main(int argc, char **argv) {
    const char *stack = getenv("STACK");
    if (stack) {
        struct rlimit limit = {strtoull(stack, 0, 10), RLIM_INFINITY};
        if (setrlimit(RLIMIT_STACK, &limit)) return 97;
        unsetenv("STACK");
    }
    const char *file = getenv("VECTOR");
    if (file) {
        static char text[8 << 20], *vector[8 << 17];
        FILE *open = fopen(file, "r");
        size_t length = open ? fread(text, 1, sizeof text - 1, open) : 0, count = 0;
        for (size_t at = 0; at < length; at += strlen(text + at) + 1) vector[count++] = text + at;
        unsetenv("VECTOR");
        execve(argv[2], vector, environ);
        return 99;
    }
    if (argc < 4 || chdir(argv[1])) return 98;
    struct rlimit second = {1, 1};
    if (setrlimit(RLIMIT_CPU, &second)) return 96;
    alarm(20);
    execve(argv[2], argv + 3, environ);
    printf("%d\n", errno);
    return 99;
}
"#;

/// What PATH is for those that look programs up, from the work folder.
pub(crate) const SEARCH: &str = "./bin:./nosuch:.";

/// Files, and the one of them that is executed.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Scripts {
    /// Names, permission bits, contents.
    pub files: Vec<(String, u32, Vec<u8>)>,
    /// The path that is executed.
    pub start: Vec<u8>,
    /// The vector.
    pub argv: Vec<Vec<u8>>,
}

impl Scripts {
    /// Reads a line of the committed list. Its fields stand between tabs: the content of `./press`,
    /// then `name=content` or `name:mode=content` for others, `@start=path`, `@zero=text`. `\n`, `\r`,
    /// `\t`, `\0`, `\\` and `\xFF` are understood, and `{x*300}` is repeated text.
    pub fn read(line: &str) -> Scripts {
        let mut fields = line.split('\t');
        let press = decoded(fields.next().unwrap_or_default());
        let mut scripts = Scripts {
            files: vec![("press".into(), 0o755, press)],
            start: b"./press".into(),
            argv: vec![b"zero".into(), b"lime honey".into(), b"".into()],
        };
        for field in fields {
            let (name, value) = field.split_once('=').unwrap_or((field, ""));
            let value = decoded(value);
            match name {
                "@start" => scripts.start = value,
                "@zero" => scripts.argv[0] = value,
                "@mode" => {
                    let digits = String::from_utf8_lossy(&value).into_owned();
                    scripts.files[0].1 = u32::from_str_radix(&digits, 8).unwrap_or(0);
                }
                name => {
                    let (name, mode) = name.split_once(':').unwrap_or((name, "755"));
                    let mode = u32::from_str_radix(mode, 8).unwrap_or(0o755);
                    scripts.files.push((name.into(), mode, value));
                }
            }
        }
        scripts
    }
}

/// Text with escapes and repetitions.
fn decoded(text: &str) -> Vec<u8> {
    let mut out = Vec::new();
    let mut rest = text;
    while let Some(first) = rest.chars().next() {
        if let Some((piece, count, behind)) = repeated(rest) {
            out.extend(piece.as_bytes().repeat(count));
            rest = behind;
            continue;
        }
        rest = &rest[first.len_utf8()..];
        if first != '\\' {
            out.extend_from_slice(first.to_string().as_bytes());
            continue;
        }
        let escape = rest.chars().next().unwrap_or('\\');
        rest = &rest[escape.len_utf8().min(rest.len())..];
        match escape {
            'n' => out.push(b'\n'),
            'r' => out.push(b'\r'),
            't' => out.push(b'\t'),
            '0' => out.push(0),
            'x' => {
                out.push(u8::from_str_radix(rest.get(..2).unwrap_or("0"), 16).unwrap_or(0));
                rest = rest.get(2..).unwrap_or_default();
            }
            other => out.extend_from_slice(other.to_string().as_bytes()),
        }
    }
    out
}

/// `{x*300}` at the start of a text.
fn repeated(text: &str) -> Option<(&str, usize, &str)> {
    let (inside, behind) = text.strip_prefix('{')?.split_once('}')?;
    let (piece, count) = inside.split_once('*')?;
    Some((piece, count.parse().ok()?, behind))
}

/// What came of it.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Launched {
    /// The receiver got this vector.
    Received(Vector),
    /// exec failed with this error.
    Failed(String),
    /// Another program ended with this status.
    Ended(i32),
    /// It never ends.
    Endless,
    /// /bin/sh reads a file that is no script, and does whatever that says.
    Read,
}

impl Launched {
    /// Whether the kernel has done what was predicted.
    pub fn is_as(&self, predicted: &Launched) -> bool {
        let ends = matches!(self, Launched::Ended(_) | Launched::Received(_));
        self == predicted || (ends && *predicted == Launched::Read)
    }
}

impl fmt::Display for Launched {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Launched::Received(vector) => {
                vector.iter().try_for_each(|bytes| write!(f, "[{}]", bytes.escape_ascii()))
            }
            Launched::Failed(errno) => f.write_str(errno),
            Launched::Endless => f.write_str("never ends"),
            Launched::Read => f.write_str("read by /bin/sh"),
            Launched::Ended(status) => write!(f, "status {status}"),
        }
    }
}

/// A folder in which scripts are executed.
pub struct Workshop {
    pub(crate) root: tempfile::TempDir,
    helper: PathBuf,
}

impl Workshop {
    /// A fresh one; `receiver` is the built fizzet.
    ///
    /// # Errors
    /// A folder that cannot be made, or a helper that `cc` cannot build.
    pub fn new(receiver: &Path) -> io::Result<Workshop> {
        let workshop = Workshop::without_helper(receiver)?;
        let source = workshop.root.path().join("helper.c");
        std::fs::write(&source, HELPER)?;
        let built = Command::new("cc").arg("-o").arg(&workshop.helper).arg(&source).status()?;
        match built.success() {
            true => Ok(workshop),
            false => Err(io::Error::other("cc cannot build the helper")),
        }
    }

    /// A fresh one in which nothing is run; `program` is any program of this machine.
    ///
    /// # Errors
    /// A folder that cannot be made.
    pub fn without_helper(program: &Path) -> io::Result<Workshop> {
        let root = tempfile::tempdir()?;
        let helper = root.path().join("helper");
        std::fs::create_dir_all(root.path().join("work/bin"))?;
        for name in ["label", "bin/hive"] {
            std::os::unix::fs::symlink(program, root.path().join("work").join(name))?;
        }
        Ok(Workshop { root, helper })
    }

    pub(crate) fn work(&self) -> PathBuf {
        self.root.path().join("work")
    }

    /// Puts the files there.
    fn lay_out(&self, scripts: &Scripts) -> io::Result<()> {
        for (name, mode, content) in &scripts.files {
            let path = self.work().join(name);
            // There is none yet when this is the first case.
            let _ = std::fs::remove_file(&path);
            std::fs::write(&path, content)?;
            std::fs::set_permissions(&path, PermissionsExt::from_mode(*mode))?;
        }
        Ok(())
    }

    fn clear(&self, scripts: &Scripts) -> io::Result<()> {
        scripts.files.iter().try_for_each(|(name, ..)| std::fs::remove_file(self.work().join(name)))
    }

    /// What the running kernel does.
    ///
    /// # Errors
    /// Files that cannot be written, or a helper that cannot be started.
    pub fn truth(&self, scripts: &Scripts) -> io::Result<Launched> {
        self.lay_out(scripts)?;
        let mut command = Command::new(&self.helper);
        command.arg(self.work()).arg(OsStr::from_bytes(&scripts.start));
        command.args(scripts.argv.iter().map(|one| OsStr::from_bytes(one)));
        command.env_clear().env("PATH", SEARCH).env("HIVE", "north hive");
        let outcome = self.outcome_of(command);
        self.clear(scripts)?;
        outcome
    }

    /// What the receiver got from a program that is started, or how that ended.
    pub(crate) fn outcome_of(&self, mut command: Command) -> io::Result<Launched> {
        let record = self.root.path().join("record");
        // There is none yet when this is the first case.
        let _ = std::fs::remove_file(&record);
        command.env("FIZZET_RECORD", &record).stdin(Stdio::null());
        let mut output = command.output()?;
        // A process that another test starts holds the files which are being written until it executes.
        for _ in 0..1000 {
            if !is_busy(&output) {
                break;
            }
            std::thread::sleep(Duration::from_millis(5));
            output = command.output()?;
        }
        let text = std::fs::read_to_string(&record).unwrap_or_default();
        if let Some(vector) = Outcome::from_record(&text).vectors.into_iter().next() {
            return Ok(Launched::Received(vector));
        }
        let told = String::from_utf8_lossy(&output.stdout);
        match (output.status.code(), told.trim().parse()) {
            (Some(99), Ok(number)) => Ok(Launched::Failed(errno_name(number))),
            (Some(status), _) => Ok(Launched::Ended(status)),
            (None, _) => Ok(Launched::Endless),
        }
    }

    /// Whether the running kernel executes `/bin/true` with this vector and no environment under a
    /// stack limit in bytes, and whether the core says so.
    ///
    /// # Errors
    /// A helper that cannot be started.
    pub fn fits(&self, vector: &[Vec<u8>], stack: u64) -> io::Result<(bool, bool)> {
        let mut command = Command::new(&self.helper);
        command.arg(self.work()).arg("/bin/true");
        // This process could not hand over what is too long for its own limit.
        let file = self.root.path().join("vector");
        let ended: Vec<u8> = vector.iter().flat_map(|one| [one, &b"\0"[..]].concat()).collect();
        std::fs::write(&file, ended)?;
        command.arg("zero").env_clear();
        command.env("STACK", stack.to_string()).env("VECTOR", file);
        command.stdin(Stdio::null()).stdout(Stdio::null());
        // A program that starves behind exec has been executed all the same.
        let runs = command.status()?.code() != Some(99);
        let lengths = vector.iter().map(Vec::len);
        let counted = limits::count("/bin/true".len(), lengths, std::iter::empty::<usize>());
        Ok((runs, counted.is_ok_and(|count| limits::check(count, stack).is_ok())))
    }

    /// What the core says.
    ///
    /// # Errors
    /// Files that cannot be written.
    pub fn prediction(&self, scripts: &Scripts) -> io::Result<Launched> {
        self.lay_out(scripts)?;
        let mut sources = Sources::new(SourceKind::Path, &scripts.start);
        let argv = scripts.argv.iter().enumerate().map(|(at, bytes)| {
            let source = sources.add(SourceKind::Argument(at), bytes);
            given(bytes, source)
        });
        let request = Request {
            path: scripts.start.clone(),
            argv: argv.collect(),
            search: None,
            environment: vec![format!("PATH={SEARCH}").into(), b"HIVE=north hive".to_vec()],
            caller: Caller::Kernel,
            stack: None,
            through: false,
        };
        let launched = launch(&Machine::at(self.work()), &mut sources, request);
        self.clear(scripts)?;
        let through_env = launched.hops.iter().any(|hop| matches!(hop.kind, HopKind::Env { .. }));
        Ok(match launched.end {
            End::Runs { path, .. } if path.ends_with(b"/env") => Launched::Ended(0),
            // The receiver of these files has other names.
            End::Runs { path, .. } if path == b"/bin/sh" => Launched::Read,
            End::Runs { .. } => {
                Launched::Received(launched.argv.iter().map(|one| one.bytes().to_vec()).collect())
            }
            End::Endless | End::ReadByShell { .. } => Launched::Endless,
            End::EnvRefuses { status, .. } => Launched::Ended(i32::from(status)),
            End::Fails(failure) if through_env => {
                Launched::Ended(if failure.errno == Errno::ENOENT { 127 } else { 126 })
            }
            End::Fails(failure) => Launched::Failed(failure.errno.name().into()),
        })
    }
}

/// The name of an error number of Linux.
fn errno_name(number: i32) -> String {
    let name = match number {
        1 => "EPERM",
        2 => "ENOENT",
        5 => "EIO",
        7 => "E2BIG",
        8 => "ENOEXEC",
        13 => "EACCES",
        14 => "EFAULT",
        20 => "ENOTDIR",
        22 => "EINVAL",
        36 => "ENAMETOOLONG",
        40 => "ELOOP",
        other => return format!("errno {other}"),
    };
    name.into()
}

/// Whether the helper, or env behind it, has found a file open for writing: ETXTBSY, which no case here is about.
fn is_busy(output: &Output) -> bool {
    let by_helper = output.status.code() == Some(99) && output.stdout.trim_ascii() == b"26";
    let by_env =
        || output.status.code() == Some(126) && output.stderr.ends_with(b"Text file busy\n");
    by_helper || by_env()
}

/// The versions of the kernel and of what else decides.
///
/// # Errors
/// A kernel that does not tell its release.
pub fn versions() -> io::Result<String> {
    let kernel = std::fs::read_to_string("/proc/sys/kernel/osrelease")?;
    let version: Vec<&str> = kernel.trim().split(['.', '-']).take(2).collect();
    let told = |program: &str| listed::version(&[program, "--version"]);
    Ok(format!("Linux {}, {}, {}", version.join("."), told("env"), told("ldd")))
}
