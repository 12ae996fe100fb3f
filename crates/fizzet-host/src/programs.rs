//! Running programs and writing files, where the person allows it.

use std::cell::RefCell;
use std::ffi::OsStr;
use std::fs::File;
use std::io::{self, Read, Write};
use std::os::fd::{AsRawFd, RawFd};
use std::os::unix::ffi::OsStrExt;
use std::os::unix::process::{CommandExt, ExitStatusExt};
use std::path::Path;
use std::process::{Command, Stdio};
use std::rc::Rc;
use std::thread;

use fizzet_core::host::{Messages, Process, ProcessNumbers, Ran, Run, Sink};

use rustix::fs::Mode;
use rustix::io::{FdFlags, fcntl_dupfd_cloexec, fcntl_setfd};
use rustix::process::{getegid, geteuid, getgid, getuid, umask};

use crate::files::place;

/// What the system says of the process that Fizzet is, with its numbers if programs are started from it.
pub(crate) fn this_process(may_run: bool) -> Process {
    let numbers =
        || ProcessNumbers { own: std::process::id(), parent: std::os::unix::process::parent_id() };
    Process {
        numbers: may_run.then(numbers),
        user: getuid().as_raw(),
        effective_user: geteuid().as_raw(),
        group: getgid().as_raw(),
        effective_group: getegid().as_raw(),
        mask: mask(),
    }
}

/// Sets the mask for the permissions of new files, for Fizzet and for the programs that it starts.
pub(crate) fn set_mask(mask: u32) {
    umask(Mode::from_raw_mode(mask));
}

/// The mask for the permissions of new files, which can only be asked for by setting it.
fn mask() -> u32 {
    let mask = umask(Mode::from_raw_mode(0o077));
    umask(mask);
    mask.as_raw_mode()
}

/// Runs a program and waits for its end.
pub(crate) fn run(folder: &Path, run: &Run<'_>) -> Ran {
    // The path is looked up by the kernel in the folder that the program begins in, as a shell has it:
    // a script is told by it. Without a slash it would be looked for in PATH.
    let path = match run.path.contains(&b'/') {
        true => run.path.to_vec(),
        false => [b"./", run.path].concat(),
    };
    let mut command = Command::new(OsStr::from_bytes(&path));
    let mut words = run.argv.iter().map(|word| OsStr::from_bytes(word));
    if let Some(zero) = words.next() {
        command.arg0(zero);
    }
    command.args(words).env_clear().current_dir(place(folder, run.folder));
    let environment = run.environment.iter();
    command
        .envs(environment.map(|(name, value)| (OsStr::from_bytes(name), OsStr::from_bytes(value))));
    match started(command, run) {
        Ok(ran) => ran,
        Err(error) => Ran::Refused { why: refusal(&error), status: status_of(&error) },
    }
}

fn started(mut command: Command, run: &Run<'_>) -> io::Result<Ran> {
    // These come first: their numbers must be free.
    let pipes = run.open.iter().map(|(number, text)| Pipe::under(*number, text));
    let pipes = pipes.collect::<io::Result<Vec<Pipe>>>()?;
    let (output, writer) = io::pipe()?;
    let input = run.input.map(|text| Pipe::of_input(&mut command, text)).transpose()?;
    match run.messages {
        Messages::WithOutput => command.stderr(writer.try_clone()?),
        Messages::Shown => command.stderr(Stdio::inherit()),
        Messages::Kept => command.stderr(Stdio::piped()),
    };
    command.stdout(writer);
    let mut child = command.spawn()?;
    // The ends that the child has are closed here, so that its end is seen.
    drop(command);
    let input = input.map(Pipe::fed);
    let pipes: Vec<Feeding> = pipes.into_iter().map(Pipe::fed).collect();
    let limit = run.limit as u64 + 1;
    let messages = child.stderr.take().map(|messages| {
        thread::spawn(move || {
            let mut kept = Vec::new();
            messages.take(limit).read_to_end(&mut kept).map(|_| kept)
        })
    });
    let mut printed = Vec::new();
    output.take(limit).read_to_end(&mut printed)?;
    if printed.len() > run.limit {
        child.kill()?;
        child.wait()?;
        return Ok(Ran::Endless { output: printed });
    }
    let status = child.wait()?;
    let unread = input.map(Feeding::left).transpose()?.unwrap_or(0);
    let open_unread = pipes.into_iter().map(Feeding::left).collect::<io::Result<Vec<usize>>>()?;
    let messages = messages.and_then(|kept| kept.join().ok()).transpose()?.unwrap_or_default();
    let (status, killed) = match (status.code(), status.signal()) {
        (None, Some(signal)) => (signal as u8, true),
        (code, _) => (code.unwrap_or(1) as u8, false),
    };
    Ok(Ran::Ended { output: printed, messages, status, killed, unread, open_unread })
}

/// A pipe with a text for the program that is started next, of which Fizzet keeps an end too.
struct Pipe {
    reader: io::PipeReader,
    writer: io::PipeWriter,
    text: Vec<u8>,
}

/// The same while the text is being written into it.
struct Feeding {
    reader: io::PipeReader,
    writing: thread::JoinHandle<()>,
}

/// Where descriptors are that must not stand in the way of others.
const ASIDE: RawFd = 100;

impl Pipe {
    /// The standard input of a program.
    fn of_input(command: &mut Command, text: &[u8]) -> io::Result<Pipe> {
        let (reader, writer) = io::pipe()?;
        command.stdin(reader.try_clone()?);
        Ok(Pipe { reader, writer, text: text.to_vec() })
    }

    /// What a program finds under another number.
    fn under(number: u32, text: &[u8]) -> io::Result<Pipe> {
        let (reader, writer) = io::pipe()?;
        let number = RawFd::try_from(number).map_err(io::Error::other)?;
        // The pipe itself may have been given the number.
        let aside = (fcntl_dupfd_cloexec(&reader, ASIDE)?, fcntl_dupfd_cloexec(&writer, ASIDE)?);
        drop((reader, writer));
        let reader = fcntl_dupfd_cloexec(&aside.0, number)?;
        if reader.as_raw_fd() != number {
            return Err(io::Error::other("the number of its process substitution is taken"));
        }
        fcntl_setfd(&reader, FdFlags::empty())?;
        Ok(Pipe { reader: reader.into(), writer: aside.1.into(), text: text.to_vec() })
    }

    /// Writes the text, now that the program runs.
    fn fed(self) -> Feeding {
        let Pipe { reader, mut writer, text } = self;
        let writing = thread::spawn(move || {
            let _ = writer.write_all(&text);
        });
        Feeding { reader, writing }
    }
}

impl Feeding {
    /// How many bytes the program has left in the pipe, now that it has ended: it need not read all that it
    /// is given.
    fn left(mut self) -> io::Result<usize> {
        let left = io::copy(&mut self.reader, &mut io::sink())?;
        let _ = self.writing.join();
        usize::try_from(left).map_err(io::Error::other)
    }
}

/// Why the system did not start a program, in plain words.
fn refusal(error: &io::Error) -> String {
    match error.raw_os_error() {
        Some(8) => "is no program that the kernel can start: it has no #! line".into(),
        _ => format!("cannot be started: {error}"),
    }
}

/// The status that shells give such a command (POSIX XCU 2.8.2).
fn status_of(error: &io::Error) -> u8 {
    if error.kind() == io::ErrorKind::NotFound { 127 } else { 126 }
}

/// Opens a file for writing.
pub(crate) fn create(path: &Path, append: bool) -> Result<Rc<dyn Sink>, String> {
    let opened =
        File::options().create(true).write(true).append(append).truncate(!append).open(path);
    match opened {
        Ok(file) => Ok(Rc::new(Real(RefCell::new(file)))),
        Err(error) => Err(error.to_string()),
    }
}

/// A real file.
struct Real(RefCell<File>);

impl Sink for Real {
    fn write(&self, bytes: &[u8]) -> bool {
        self.0.borrow_mut().write_all(bytes).is_ok()
    }
}

#[cfg(test)]
mod tests {
    use fizzet_core::host::{Messages, Ran, Run};

    use super::run;

    fn of<'a>(path: &'a [u8], argv: &'a [&'a [u8]], input: &'a [u8]) -> Run<'a> {
        let (environment, messages) = (vec![(&b"hive"[..], &b"3"[..])], Messages::WithOutput);
        Run {
            path,
            argv,
            environment,
            folder: b".",
            input: Some(input),
            open: Vec::new(),
            messages,
            limit: 1000,
        }
    }

    #[test]
    fn a_program_gets_its_vector_its_environment_and_its_input() {
        let folder = tempfile::tempdir().unwrap();
        let text =
            b"read -r jar; printf '%s|' \"$0\" \"$1\" \"$hive\" \"$jar\"; echo lid >&2; exit 3";
        let argv: [&[u8]; 4] = [b"/bin/sh", b"-c", text, b"label"];
        let ran = run(folder.path(), &of(b"/bin/sh", &argv, b"lime honey\n"));
        let output = b"label||3|lime honey|lid\n".to_vec();
        assert_eq!(
            ran,
            Ran::Ended {
                output,
                messages: Vec::new(),
                status: 3,
                killed: false,
                unread: 0,
                open_unread: Vec::new()
            }
        );
    }

    #[test]
    fn what_a_program_does_not_read_is_left() {
        let folder = tempfile::tempdir().unwrap();
        let text = b"read -r jar; cat /dev/fd/63";
        let argv: [&[u8]; 3] = [b"sh", b"-c", text];
        let open = vec![(63, &b"heather\n"[..])];
        let run_of = Run { open, ..of(b"/bin/sh", &argv, b"lime honey\nacacia\n") };
        let output = b"heather\n".to_vec();
        let ended = Ran::Ended {
            output,
            messages: Vec::new(),
            status: 0,
            killed: false,
            unread: 7,
            open_unread: vec![0],
        };
        assert_eq!(run(folder.path(), &run_of), ended);
    }

    #[test]
    fn what_cannot_be_started_is_refused_and_what_never_ends_is_stopped() {
        let folder = tempfile::tempdir().unwrap();
        std::fs::write(folder.path().join("label"), "no program").unwrap();
        let argv: [&[u8]; 1] = [b"label"];
        assert!(matches!(
            run(folder.path(), &of(b"label", &argv, b"")),
            Ran::Refused { status: 126, .. }
        ));
        assert!(matches!(
            run(folder.path(), &of(b"nosuch", &argv, b"")),
            Ran::Refused { status: 127, .. }
        ));
        let argv: [&[u8]; 3] = [b"sh", b"-c", b"while :; do echo jar; done"];
        let Ran::Endless { output } = run(folder.path(), &of(b"/bin/sh", &argv, b"")) else {
            panic!("it ends");
        };
        assert!(output.starts_with(b"jar\njar\n"));
    }
}
