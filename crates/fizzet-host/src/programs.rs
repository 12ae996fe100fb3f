//! Running programs and writing files, where the person allows it.

use std::cell::RefCell;
use std::ffi::OsStr;
use std::fs::File;
use std::io::{self, Read, Write};
use std::os::unix::ffi::OsStrExt;
use std::os::unix::process::{CommandExt, ExitStatusExt};
use std::path::Path;
use std::process::{Child, Command, Stdio};
use std::rc::Rc;
use std::thread;

use fizzet_core::host::{Messages, Process, Ran, Run, Sink};

use rustix::process::{getegid, geteuid, getgid, getuid};

use crate::files::place;

/// What the system says of the process that Fizzet is.
pub(crate) fn this_process() -> Process {
    Process {
        number: std::process::id(),
        parent: std::os::unix::process::parent_id(),
        user: getuid().as_raw(),
        effective_user: geteuid().as_raw(),
        group: getgid().as_raw(),
        effective_group: getegid().as_raw(),
    }
}

/// Runs a program and waits for its end.
pub(crate) fn run(folder: &Path, run: &Run<'_>) -> Ran {
    let mut command = Command::new(place(folder, run.path));
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
    let (output, writer) = io::pipe()?;
    command.stdin(if run.input.is_some() { Stdio::piped() } else { Stdio::inherit() });
    match run.messages {
        Messages::WithOutput => command.stderr(writer.try_clone()?),
        Messages::Shown => command.stderr(Stdio::inherit()),
        Messages::Kept => command.stderr(Stdio::piped()),
    };
    command.stdout(writer);
    let mut child = command.spawn()?;
    // The ends that the child has are closed here, so that its end is seen.
    drop(command);
    let feeding = feed(&mut child, run.input);
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
        return Ok(Ran::Endless);
    }
    let status = child.wait()?;
    if let Some(feeding) = feeding {
        // A program need not read all that it is given.
        let _ = feeding.join();
    }
    let messages = messages.and_then(|kept| kept.join().ok()).transpose()?.unwrap_or_default();
    let signal = |signal: i32| 128u8.wrapping_add(signal as u8);
    let status = match status.code() {
        Some(code) => code as u8,
        None => status.signal().map_or(1, signal),
    };
    Ok(Ran::Ended { output: printed, messages, status })
}

/// Hands a program its input.
fn feed(child: &mut Child, input: Option<&[u8]>) -> Option<thread::JoinHandle<()>> {
    let (mut end, input) = (child.stdin.take()?, input?.to_vec());
    Some(thread::spawn(move || {
        let _ = end.write_all(&input);
    }))
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
        Run { path, argv, environment, folder: b".", input: Some(input), messages, limit: 1000 }
    }

    #[test]
    fn a_program_gets_its_vector_its_environment_and_its_input() {
        let folder = tempfile::tempdir().unwrap();
        let text =
            b"read -r jar; printf '%s|' \"$0\" \"$1\" \"$hive\" \"$jar\"; echo lid >&2; exit 3";
        let argv: [&[u8]; 4] = [b"/bin/sh", b"-c", text, b"label"];
        let ran = run(folder.path(), &of(b"/bin/sh", &argv, b"lime honey\n"));
        let output = b"label||3|lime honey|lid\n".to_vec();
        assert_eq!(ran, Ran::Ended { output, messages: Vec::new(), status: 3 });
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
        assert_eq!(run(folder.path(), &of(b"/bin/sh", &argv, b"")), Ran::Endless);
    }
}
