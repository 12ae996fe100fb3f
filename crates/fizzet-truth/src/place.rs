//! The folder that lines run in, and both answers to a line.

use std::ffi::OsStr;
use std::io::{self, Read};
use std::os::unix::ffi::OsStrExt;
use std::os::unix::fs::symlink;
use std::os::unix::process::CommandExt;
use std::path::{Path, PathBuf};
use std::process::{Child, Command, Stdio};
use std::rc::Rc;
use std::time::{Duration, Instant};

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::{Answer, Commands, Files, Status, Users};
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::{CommandKind, Trace};
use fizzet_core::walk;
use fizzet_host::{Machine, environment_source};
use rustix::event::{PollFd, PollFlags, Timespec, poll};
use rustix::process::{Pid, Signal, kill_process_group};

use crate::outcome::Outcome;
use crate::real;

/// The names under which the receiver is on PATH.
pub const PROGRAMS: [&str; 3] = ["label", "jar", "hive"];

/// How long a real shell may take for one line.
const PATIENCE: Duration = Duration::from_secs(10);

/// What stands before a line that is the text of a script file and is not given with `-c`.
const AS_FILE: &[u8] = b"@file ";

/// The files that patterns can match.
const FILES: [&str; 13] = [
    "acacia honey.txt",
    "batch1.csv",
    "batch2.csv",
    "-x",
    "[q]",
    "a*b",
    "lid",
    "Lid",
    "äpfel.txt",
    ".hidden",
    "combs/one.txt",
    "combs/.two",
    "combs/deep/three.txt",
];

/// A temporary folder with files, and one with the receiver under several names.
pub struct Place {
    root: tempfile::TempDir,
}

impl Place {
    /// A fresh one; `receiver` is the built fizzet.
    ///
    /// # Errors
    /// A folder or file that cannot be made.
    pub fn new(receiver: &Path) -> io::Result<Place> {
        let place = Place { root: tempfile::tempdir()? };
        let bin = place.bin();
        std::fs::create_dir_all(&bin)?;
        PROGRAMS.iter().try_for_each(|program| symlink(receiver, bin.join(program)))?;
        place.tidy()?;
        Ok(place)
    }

    /// Makes the work folder what it was at the start: the line before may have written files.
    fn tidy(&self) -> io::Result<()> {
        let work = self.work();
        std::fs::create_dir_all(work.join("combs/deep"))?;
        remove_strangers(&work, "")?;
        let spoiled = |path: &Path| path.metadata().map_or(true, |found| found.len() > 0);
        let files = FILES.iter().map(|file| work.join(file)).filter(|path| spoiled(path));
        files.into_iter().try_for_each(|file| std::fs::write(file, ""))
    }

    /// A fresh one in which nothing is run.
    ///
    /// # Errors
    /// A folder or file that cannot be made.
    pub fn without_receiver() -> io::Result<Place> {
        Place::new(&std::env::current_exe()?)
    }

    /// The folder that lines run in.
    pub fn work(&self) -> PathBuf {
        self.root.path().join("work")
    }

    /// The folder that PATH names.
    fn bin(&self) -> PathBuf {
        self.root.path().join("bin")
    }

    /// The file that a script is written to.
    fn script(&self) -> PathBuf {
        self.root.path().join("script")
    }

    fn environment(&self) -> [(&'static str, String); 4] {
        let path = |name: &str| self.root.path().join(name).display().to_string();
        [
            ("PATH", path("bin")),
            ("HOME", "/home/keeper".into()),
            ("LANG", "C.UTF-8".into()),
            ("PWD", path("work")),
        ]
    }

    fn named(&self, outcome: Outcome) -> Outcome {
        outcome
            .with_folder_named(self.work().as_os_str().as_bytes(), "{work}")
            .with_folder_named(self.bin().as_os_str().as_bytes(), "{bin}")
            .with_folder_named(self.script().as_os_str().as_bytes(), "{script}")
    }

    /// What a real shell passes on.
    ///
    /// # Errors
    /// A shell that is not installed or cannot be started, or that does not end (`TimedOut`).
    pub fn truth(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> io::Result<Outcome> {
        self.tidy()?;
        let record = self.root.path().join("record");
        // There is none yet when this is the first line.
        let _ = std::fs::remove_file(&record);
        let missing = || io::Error::new(io::ErrorKind::NotFound, format!("no {shell} on PATH"));
        let (program, words) = real::find(shell).ok_or_else(missing)?;
        let mut command = Command::new(program);
        command.args(words);
        match line.strip_prefix(AS_FILE) {
            Some(script) => {
                std::fs::write(self.script(), script)?;
                command.arg(self.script());
            }
            None => {
                command.arg("-c").arg(OsStr::from_bytes(line)).arg(shell.name());
            }
        }
        command.args(arguments.iter().map(|argument| OsStr::from_bytes(argument)));
        command.env_clear().envs(self.environment()).env("FIZZET_RECORD", &record);
        // A group of its own, so that what it has started can be ended with it.
        command.process_group(0);
        command.current_dir(self.work()).stdin(Stdio::null());
        command.stdout(Stdio::null()).stderr(Stdio::piped());
        if shell == Shell::Busybox {
            command.arg0("sh");
        }
        wait(command.spawn()?)?;
        let text = std::fs::read_to_string(&record).unwrap_or_default();
        Ok(self.named(Outcome::from_record(&text)))
    }

    /// What the core says.
    pub fn prediction(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> Outcome {
        self.outcome(&self.trace(shell, line, arguments))
    }

    /// What of a trace the receivers get to see.
    pub fn outcome(&self, trace: &Trace) -> Outcome {
        let bin = self.bin();
        let vectors = trace
            .commands
            .iter()
            .filter(|command| command.kind == CommandKind::External && !command.absent)
            .filter(|command| {
                let sought = command.sought.as_ref().or(command.argv.first());
                sought.is_some_and(|text| receives(&bin, text.bytes()))
            })
            .map(|command| command.argv.iter().map(|text| text.bytes().to_vec()).collect())
            .collect();
        self.named(Outcome { vectors })
    }

    /// The whole trace of the core.
    pub fn trace(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> Trace {
        // A folder that cannot be tidied shows as a difference.
        let _ = self.tidy();
        let path = self.script().into_os_string().into_encoded_bytes();
        let (kind, line) = match line.strip_prefix(AS_FILE) {
            Some(script) => (SourceKind::File(path.as_slice().into()), script),
            None => (SourceKind::Line, line),
        };
        let is_file = kind != SourceKind::Line;
        let mut state = State::new(Dialect::of(shell), kind, line);
        if is_file {
            state.positional.zero = Rc::new(state.given(SourceKind::Zero, &path));
        }
        for (name, value) in self.environment() {
            let value = state.given(environment_source(name.as_bytes()), value.as_bytes());
            state.variables.set(name.as_bytes(), value);
            state.variables.entry(name.as_bytes()).exported = true;
        }
        state.give_arguments(&arguments.iter().map(|one| one.to_vec()).collect());
        walk::line(state, Rc::new(Folder { machine: Machine::at(self.work()), bin: self.bin() }))
    }
}

/// The machine as the lines find it: on PATH there are the receivers, which print nothing, and no
/// other program.
struct Folder {
    machine: Machine,
    bin: PathBuf,
}

/// Whether a command by this name, or by its path in `bin`, is the receiver.
fn receives(bin: &Path, name: &[u8]) -> bool {
    let path = Path::new(OsStr::from_bytes(name));
    let name = path.strip_prefix(bin).unwrap_or(path);
    PROGRAMS.iter().any(|program| name == Path::new(program))
}

impl Commands for Folder {
    fn answer(&self, argv: &[&[u8]]) -> Answer {
        let name = argv.first().copied().unwrap_or_default();
        let found = receives(&self.bin, name);
        // Of another file that is there the walk finds out itself why it cannot be executed.
        if !found && name.contains(&b'/') && self.machine.exists(name) {
            return Answer { output: Some(Vec::new()), status: None };
        }
        Answer { output: Some(Vec::new()), status: Some(if found { 0 } else { 127 }) }
    }
}

impl Files for Folder {
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        self.machine.list(folder, each)
    }

    fn exists(&self, path: &[u8]) -> bool {
        self.machine.exists(path)
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        self.machine.is_folder(path)
    }

    fn physical(&self, path: &[u8]) -> Option<Vec<u8>> {
        self.machine.physical(path)
    }

    fn status(&self, path: &[u8], follow: bool) -> Option<Status> {
        self.machine.status(path, follow)
    }

    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>> {
        self.machine.read(path, limit)
    }
}

impl Users for Folder {
    fn home(&self, user: &[u8]) -> Option<Vec<u8>> {
        self.machine.home(user)
    }
}

fn timespec(duration: Duration) -> Timespec {
    Timespec { tv_sec: duration.as_secs() as i64, tv_nsec: i64::from(duration.subsec_nanos()) }
}

/// Waits for a shell and for all that it has started, which holds its standard error; one that runs
/// on and on is killed.
fn wait(mut child: Child) -> io::Result<()> {
    let group = Pid::from_child(&child);
    let late = || -> io::Error {
        // One that has ended meanwhile needs no signal.
        let _ = kill_process_group(group, Signal::KILL);
        io::ErrorKind::TimedOut.into()
    };
    let start = Instant::now();
    let mut pause = Duration::from_micros(200);
    while child.try_wait()?.is_none() {
        if start.elapsed() > PATIENCE {
            let error = late();
            child.wait()?;
            return Err(error);
        }
        std::thread::sleep(pause);
        pause = (pause * 3 / 2).min(Duration::from_millis(20));
    }
    let Some(mut errors) = child.stderr.take() else { return Ok(()) };
    let mut bytes = [0; 4096];
    loop {
        let mut ready = [PollFd::new(&errors, PollFlags::IN)];
        let left = PATIENCE.saturating_sub(start.elapsed());
        if left.is_zero() || poll(&mut ready, Some(&timespec(left)))? == 0 {
            return Err(late());
        }
        if errors.read(&mut bytes)? == 0 {
            return Ok(());
        }
    }
}

/// Removes what does not belong into the work folder, which `inside` leads to.
fn remove_strangers(folder: &Path, inside: &str) -> io::Result<()> {
    for entry in std::fs::read_dir(folder)? {
        let entry = entry?;
        let name = entry.file_name();
        let path = format!("{inside}{}", name.to_string_lossy());
        let leads = |file: &&str| file.starts_with(&format!("{path}/"));
        let is_folder = entry.file_type()?.is_dir();
        match is_folder {
            true if path == "combs/deep" || FILES.iter().any(leads) => {
                remove_strangers(&entry.path(), &format!("{path}/"))?;
            }
            true => std::fs::remove_dir_all(entry.path())?,
            false if FILES.contains(&&*path) => {}
            false => std::fs::remove_file(entry.path())?,
        }
    }
    Ok(())
}
