//! Truth about reading arguments: what the usual access of each language does, also where there is none.

use std::io;
use std::path::Path;
use std::process::{Command, Stdio};

use fizzet_core::kernel::chain::given;
use fizzet_core::receive::read::{Got, read};
use fizzet_core::receive::runtime::Runtime;
use fizzet_core::receive::view::view;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_host::Machine;

use crate::listed::folder;

/// A runtime here, how its reader is built, and how it is started.
type Reader = (&'static str, &'static [&'static str], &'static [&'static str]);

const READERS: [Reader; 15] = [
    ("sh", &[], &["sh", "read.sh"]),
    ("bash", &[], &["bash", "read.sh"]),
    ("c", &["cc", "-w", "-o", "read_c", "read.c"], &["./read_c"]),
    ("c++", &["c++", "-w", "-o", "read_cpp", "read.cpp"], &["./read_cpp"]),
    ("go", &["go", "build", "-o", "read_go", "read.go"], &["./read_go"]),
    ("rust", &["rustc", "-o", "read_rs", "read.rs"], &["./read_rs"]),
    ("python", &[], &["python3", "read.py"]),
    ("java", &["javac", "Read.java"], &["java", "Read"]),
    ("perl", &[], &["perl", "read.pl"]),
    ("php", &[], &["php", "read.php"]),
    ("node", &[], &["node", "read.js"]),
    ("ruby", &[], &["ruby", "read.rb"]),
    ("awk", &[], &["gawk", "-f", "read.awk"]),
    ("tcl", &[], &["tclsh", "read.tcl"]),
    ("lua", &[], &["lua5.4", "read.lua"]),
];

/// What every reader is launched with.
const ARGUMENTS: [&str; 3] = ["lime honey", "", "heather"];

/// The numbers of the arguments that are read.
const NUMBERS: [usize; 7] = [1, 2, 3, 4, 5, 6, 12];

/// What each reader did and what the core says, by runtime and number.
///
/// # Errors
/// A folder that cannot be made, or a reader that cannot be built or started.
pub fn truth() -> io::Result<Vec<(String, String)>> {
    let root = tempfile::tempdir()?;
    for entry in std::fs::read_dir(folder("receive/read"))? {
        let entry = entry?;
        std::fs::copy(entry.path(), root.path().join(entry.file_name()))?;
    }
    let mut all = Vec::new();
    for (name, build, start) in READERS {
        if !build.is_empty() {
            Command::new(build[0]).args(&build[1..]).current_dir(root.path()).status()?;
        }
        for number in NUMBERS {
            all.push((format!("{name} {number}"), done(name, start, number, root.path())?));
        }
    }
    Ok(all)
}

fn done(name: &str, start: &[&str], number: usize, root: &Path) -> io::Result<String> {
    let first = Runtime::named(name).map_or(1, |runtime| runtime.first);
    let path = std::env::var_os("PATH").unwrap_or_default();
    let mut command = Command::new(start[0]);
    command.args(&start[1..]).args(ARGUMENTS).current_dir(root).stdin(Stdio::null());
    // One string in the environment, so that it is known what stands behind the vector.
    command.env_clear().env("READ", (first + number - 1).to_string());
    if !start[0].starts_with('.') {
        command.env("PATH", crate::receivers::system_path(&path));
    }
    let output = command.output()?;
    let told = String::from_utf8_lossy(&output.stdout).into_owned();
    if let Some(row) = told.lines().find(|row| row.contains(" [")) {
        return Ok(row.into());
    }
    let error = String::from_utf8_lossy(&output.stderr).into_owned();
    use std::os::unix::process::ExitStatusExt;
    let signal = output.status.signal().map(|signal| format!("signal {signal}"));
    let status = signal.unwrap_or_else(|| format!("status {}", output.status.code().unwrap_or(0)));
    const SAYS: [&str; 4] = ["Error: ", "Exception: ", "index out of", "what():"];
    let row =
        error.lines().find(|row| SAYS.iter().any(|says| row.contains(says))).unwrap_or_default();
    Ok(format!("{status} {}", row.trim()).trim_end().into())
}

/// What the core says, in the words of the record.
pub fn prediction(case: &str) -> String {
    let (name, number) = case.split_once(' ').unwrap_or((case, "1"));
    let number = number.parse().unwrap_or(1);
    let Some(runtime) = Runtime::named(name) else { return "no such runtime".into() };
    let start = READERS.iter().find(|one| one.0 == name).map_or(&[][..], |one| one.2);
    let mut sources = Sources::new(SourceKind::Line, b"");
    let words = start.iter().chain(&ARGUMENTS);
    let argv = words.map(|word| {
        let source = sources.add(SourceKind::Shell, word.as_bytes());
        given(word.as_bytes(), source)
    });
    let argv = argv.collect();
    let folder = Machine::at(folder("receive/read"));
    let view = view(runtime, argv, &folder, &mut sources);
    match read(&view, number, 1).got {
        Got::Text(text) => format!("value [{}]", String::from_utf8_lossy(text.bytes())),
        Got::Empty => "value []".into(),
        Got::Nothing(word @ ("undefined" | "nil")) if name != "ruby" => format!("{word} [{word}]"),
        Got::Nothing(word) => format!("{word} []"),
        Got::Fails("panic", message, status) if name == "go" => {
            format!("status {status} panic: {message}")
        }
        Got::Fails("panic", message, status) => format!("status {status} {message}"),
        Got::Fails(error, message, status) if name == "java" => {
            format!("status {status} Exception in thread \"main\" {error}: {message}")
        }
        Got::Fails(error, message, status) => format!("status {status} {error}: {message}"),
        Got::Killed("SIGABRT", error) => {
            format!("signal 6 what():  {}", error.trim_start_matches("std::logic_error: "))
        }
        Got::Killed(..) => "signal 11".into(),
        Got::Environment(_) => format!("value [READ={}]", view.first + number - 1),
        Got::Chance => "signal 11".into(),
    }
}
