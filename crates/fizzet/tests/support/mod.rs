//! What the suites share: a folder of the co-op, real shells with the receiver on PATH, and the
//! prediction of the core.
#![allow(dead_code, unreachable_pub, reason = "each suite uses its own part")]

pub mod program;

use std::os::unix::fs::symlink;
use std::os::unix::process::CommandExt;
use std::path::{Path, PathBuf};
use std::process::{Command, Stdio};
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::{CommandKind, Ending, Trace};
use fizzet_core::walk;
use fizzet_host::Machine;
use serde_json::Value;

/// The names under which the receiver is on PATH.
pub const PROGRAMS: [&str; 3] = ["label", "jar", "hive"];

/// The files that patterns can match.
const FILES: [&str; 12] = [
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
];

/// What came of one line: the vectors that programs received, and whether all went well.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Outcome {
    /// The vectors, in order.
    pub vectors: Vec<Vec<Vec<u8>>>,
    /// Whether the shell refused to read the line or gave up on the way.
    pub gave_up: bool,
}

/// A temporary folder with files, and one with the receiver under several names.
pub struct Place {
    root: tempfile::TempDir,
}

impl Place {
    /// A fresh one.
    pub fn new() -> Place {
        let root = tempfile::tempdir().unwrap();
        for folder in ["bin", "work/combs", "home"] {
            std::fs::create_dir_all(root.path().join(folder)).unwrap();
        }
        for program in PROGRAMS {
            symlink(env!("CARGO_BIN_EXE_fizzet"), root.path().join("bin").join(program)).unwrap();
        }
        for file in FILES {
            std::fs::write(root.path().join("work").join(file), "").unwrap();
        }
        Place { root }
    }

    /// The folder that lines run in.
    pub fn work(&self) -> PathBuf {
        self.root.path().join("work")
    }

    fn environment(&self) -> Vec<(&'static str, String)> {
        let path = |name: &str| self.root.path().join(name).display().to_string();
        vec![("PATH", path("bin")), ("HOME", "/home/keeper".into()), ("LANG", "C.UTF-8".into())]
    }

    /// What a real shell passes on.
    pub fn truth(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> Outcome {
        use std::os::unix::ffi::OsStrExt;
        let record = self.root.path().join("record");
        let _ = std::fs::remove_file(&record);
        let (program, words) = real(shell).expect("the shell is installed");
        let mut command = Command::new(program);
        command.args(words).arg("-c").arg(std::ffi::OsStr::from_bytes(line));
        command.arg(shell.name());
        command.args(arguments.iter().map(|argument| std::ffi::OsStr::from_bytes(argument)));
        command.env_clear().envs(self.environment()).env("FIZZET_RECORD", &record);
        command.current_dir(self.work()).stdin(Stdio::null());
        if shell == Shell::Busybox {
            command.arg0("sh");
        }
        let output = command.output().unwrap();
        let lines = std::fs::read_to_string(&record).unwrap_or_default();
        let vectors = lines.lines().map(vector).collect();
        let unknown = String::from_utf8_lossy(&output.stderr).contains("not found");
        let gave_up = !output.status.success() && !output.stderr.is_empty() && !unknown;
        Outcome { vectors, gave_up }
    }

    /// What the core says.
    pub fn prediction(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> Outcome {
        let trace = self.trace(shell, line, arguments);
        let vectors = trace
            .commands
            .iter()
            .filter(|command| command.kind == CommandKind::External)
            .map(|command| command.argv.iter().map(|text| text.bytes().to_vec()).collect())
            .filter(|argv: &Vec<Vec<u8>>| PROGRAMS.iter().any(|name| name.as_bytes() == argv[0]))
            .collect();
        let gave_up = matches!(trace.ending, Ending::Syntax(_) | Ending::ShellStops(_));
        Outcome { vectors, gave_up }
    }

    /// The whole trace of the core.
    pub fn trace(&self, shell: Shell, line: &[u8], arguments: &[&[u8]]) -> Trace {
        let mut state = State::new(Dialect::of(shell), SourceKind::Line, line);
        for (name, value) in self.environment() {
            let value =
                state.given(fizzet_host::environment_source(name.as_bytes()), value.as_bytes());
            state.variables.set(name.as_bytes(), value);
        }
        let parameters = arguments
            .iter()
            .enumerate()
            .map(|(at, argument)| state.given(SourceKind::Argument(at + 1), argument))
            .collect();
        state.positional.set(parameters);
        walk::line(state, Rc::new(Machine::at(self.work())))
    }
}

/// The vector in one line of a record file.
fn vector(line: &str) -> Vec<Vec<u8>> {
    let record: Value = serde_json::from_str(line).unwrap();
    record["argv"].as_array().unwrap().iter().map(argument_bytes).collect()
}

/// The bytes of an ARG of the JSON shape.
pub fn argument_bytes(argument: &Value) -> Vec<u8> {
    match argument["hex"].as_str() {
        Some(hex) => hex
            .as_bytes()
            .chunks(2)
            .map(|pair| u8::from_str_radix(std::str::from_utf8(pair).unwrap(), 16).unwrap())
            .collect(),
        None => argument["text"].as_str().unwrap().as_bytes().to_vec(),
    }
}

/// How a real shell is started, if it is installed: the program and the words before `-c`.
pub fn real(shell: Shell) -> Option<(PathBuf, &'static [&'static str])> {
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

/// Shows bytes in a failure message.
pub fn shown(outcome: &Outcome) -> String {
    let vectors: Vec<String> = outcome
        .vectors
        .iter()
        .map(|vector| {
            vector.iter().map(|bytes| format!("[{}]", bytes.escape_ascii())).collect::<String>()
        })
        .collect();
    format!("{}{}", vectors.join(" ; "), if outcome.gave_up { " (gave up)" } else { "" })
}

/// The folder of recorded data.
pub fn data() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("tests/data")
}
