//! Truth about receivers: what a program in each language sees of the vector that it is launched with.

use std::collections::BTreeMap;
use std::ffi::{OsStr, OsString};
use std::fmt;
use std::io;
use std::os::unix::ffi::OsStrExt;
use std::path::PathBuf;
use std::process::{Command, Stdio};
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::receive::runtime::Runtime;
use fizzet_core::receive::start::Program;
use fizzet_core::receive::view::{View, view};
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::{CommandKind, Trace};
use fizzet_core::walk;
use fizzet_host::Machine;

/// Where the tiny receivers are, one a language.
pub fn receivers() -> PathBuf {
    crate::listed::folder("../../demo/receivers")
}

/// Files that the launches name besides the receivers.
const FILES: &[(&str, &str)] = &[
    ("folder/__main__.py", "exec(open('press.py').read())\n"),
    ("folder/index.js", "require('../press.js')\n"),
    ("folder/lib.awk", "function lid(x) { return x }\n"),
    ("other.js", "\n"),
    ("args", "-Xmx64m\n-cp .\n"),
    ("words", "-cp . Press a\n\"lime honey\" 'clover  honey'\n"),
    ("class", "Press @args # the class\n"),
    ("jar", "-jar Press.jar\n"),
    ("quoted", "-cp . Press \"a\\tb\\\\c\" 'd\\\n   e' f\\g \"\" h\"i j\"k\n"),
    ("more", "-Xss1m @args Press last\n"),
];

/// What a receiver saw, or how a launch ended without one.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Seen {
    /// Names and values, in the order in which the receiver told them.
    Values(Vec<(Vec<u8>, Vec<u8>)>),
    /// No receiver told anything; the status of what was launched, where it is known.
    Nothing(Option<i32>),
}

impl Seen {
    /// Whether a prediction, as it is written, is what was seen: it need not know the status.
    pub fn is_met_by(&self, real: &str) -> bool {
        self.to_string() == real
            || (*self == Seen::Nothing(None) && (real.starts_with("status ") || real == "nothing"))
    }
}

impl fmt::Display for Seen {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Seen::Values(values) => {
                values.iter().enumerate().try_for_each(|(at, (name, value))| {
                    let between = if at > 0 { " " } else { "" };
                    write!(f, "{between}{}[{}]", name.escape_ascii(), value.escape_ascii())
                })
            }
            Seen::Nothing(Some(status)) => write!(f, "status {status}"),
            Seen::Nothing(None) => f.write_str("nothing"),
        }
    }
}

/// A folder with the receivers, some of them built.
pub struct Receivers {
    root: tempfile::TempDir,
}

impl Receivers {
    /// A fresh one; what cannot be built is left out.
    ///
    /// # Errors
    /// A folder that cannot be made.
    pub fn new() -> io::Result<Receivers> {
        let receivers = Receivers::unbuilt()?;
        let build = |words: &[&str]| {
            let mut command = Command::new(words[0]);
            command.args(&words[1..]).current_dir(receivers.work());
            command.stdin(Stdio::null()).stdout(Stdio::null()).stderr(Stdio::null());
            // A compiler that is missing leaves its receiver out: its launches are told as skipped.
            let _ = command.status();
        };
        build(&["cc", "-o", "press_c", "press.c"]);
        build(&["c++", "-o", "press_cpp", "press.cpp"]);
        build(&["go", "build", "-o", "press_go", "press.go"]);
        build(&["rustc", "-o", "press_rs", "press.rs"]);
        build(&["javac", "Press.java"]);
        build(&["jar", "cfe", "Press.jar", "Press", "Press.class"]);
        Ok(receivers)
    }

    /// One in which nothing is built: for predictions. What would be built is there, and empty.
    ///
    /// # Errors
    /// A folder that cannot be made.
    pub fn unbuilt() -> io::Result<Receivers> {
        let root = tempfile::tempdir()?;
        let work = root.path().join("work");
        std::fs::create_dir_all(work.join("folder"))?;
        for entry in std::fs::read_dir(receivers())? {
            let entry = entry?;
            std::fs::copy(entry.path(), work.join(entry.file_name()))?;
        }
        std::fs::write(work.join("Press.jar"), "")?;
        for (name, content) in FILES {
            std::fs::write(work.join(name), content)?;
        }
        Ok(Receivers { root })
    }

    /// Where the receivers are.
    pub fn work(&self) -> PathBuf {
        self.root.path().join("work")
    }

    /// The variables that launches may use: the text of each receiver that can be one, and bytes that
    /// are no UTF-8.
    pub fn variables() -> io::Result<BTreeMap<&'static str, Vec<u8>>> {
        let text = |file: &str| std::fs::read(receivers().join(file));
        let php = text("press.php")?;
        Ok(BTreeMap::from([
            ("SH", text("press.sh")?),
            ("PY", text("press.py")?),
            ("PL", text("press.pl")?),
            ("JS", text("press.js")?),
            ("RB", text("press.rb")?),
            ("AWK", text("press.awk")?),
            ("TCL", text("press.tcl")?),
            // A text that begins with a dash is none for Lua.
            ("LUA", [b" ", &text("press.lua")?[..]].concat()),
            ("PHPR", php.strip_prefix(b"<?php").unwrap_or(&php).to_vec()),
            ("LATIN", b"a\xff\xc3\xa9\xf0\x9f\x8d \xed\xa0\x80 \xf8\x88 \xe2\x82".to_vec()),
            (
                "BYTES",
                b"a\xff\xc3\xa9\xf0\x9f\x8d \xc0\x80 \xed\xa0\x80 \xf8\x88 \xe2\x82".to_vec(),
            ),
        ]))
    }

    /// What a line launches, started by bash.
    ///
    /// # Errors
    /// A shell that cannot be started.
    pub fn truth(&self, line: &str) -> io::Result<Seen> {
        let mut command = Command::new("bash");
        command.args(["--norc", "-c", &format!("exec {line}")]).current_dir(self.work());
        let path = std::env::var_os("PATH").unwrap_or_default();
        command.env_clear().env("PATH", system_path(&path)).env("LC_ALL", "C.UTF-8");
        command.env("HOME", self.root.path());
        for (name, value) in Receivers::variables()? {
            command.env(name, OsStr::from_bytes(&value));
        }
        command.stdin(Stdio::null()).stderr(Stdio::null());
        let output = command.output()?;
        let folder = self.work();
        let told = values(&output.stdout, folder.as_os_str().as_bytes());
        Ok(match told {
            Some(values) => Seen::Values(values),
            None => Seen::Nothing(output.status.code()),
        })
    }
}

/// The runtimes of the programs that are built here.
const BUILT: [(&str, &str); 4] =
    [("press_c", "c"), ("press_cpp", "c++"), ("press_go", "go"), ("press_rs", "rust")];

impl Receivers {
    /// What the core says of a line.
    ///
    /// # Errors
    /// Variables that cannot be read, or a line that launches nothing that is known.
    pub fn prediction(&self, line: &str) -> io::Result<Seen> {
        let machine = Rc::new(Machine::at(self.work()));
        let mut state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, line.as_bytes());
        for (name, value) in Receivers::variables()? {
            let kind = SourceKind::Variable { name: name.as_bytes().into(), inherited: true };
            let value = state.given(kind, &value);
            state.variables.set(name.as_bytes(), value);
        }
        let mut trace = walk::line(state, machine.clone());
        let launched = trace.commands.iter().rfind(|one| one.kind == CommandKind::External);
        let Some(argv) = launched.map(|one| one.argv.as_ref().clone()) else {
            return Err(io::Error::other(format!("{line} launches nothing")));
        };
        let zero = argv[0].bytes();
        let words: Vec<&[u8]> = argv[1..].iter().map(|one| one.bytes()).collect();
        let built = BUILT.iter().find(|(file, _)| zero.ends_with(file.as_bytes()));
        let runtime = match built {
            Some((_, name)) => Runtime::named(name),
            None => Runtime::of_program(zero, &words),
        };
        let Some(runtime) = runtime else {
            return Err(io::Error::other(format!("{line} launches nothing that is known")));
        };
        let seen = view(runtime, argv, &*machine, &mut trace.sources);
        Ok(self.told(&seen, &trace))
    }

    /// What a receiver would tell; where it is no receiver that is carried out, nothing.
    fn told(&self, view: &View, trace: &Trace) -> Seen {
        let texts = Receivers::variables().unwrap_or_default();
        let redirected = trace.commands.iter().flat_map(|one| &one.redirections);
        let input =
            redirected.filter(|one| one.operator == "<").any(|one| is_receiver(one.target.bytes()));
        let tells = match &view.started.program {
            Program::Nothing(status, _) => return Seen::Nothing(status.map(i32::from)),
            Program::File(_, file) => is_receiver(file.bytes()),
            Program::Module(module) => is_receiver(module.bytes()),
            Program::Text(text, _) => texts.values().any(|one| text.bytes().starts_with(one)),
            Program::Input(_) => input,
            Program::Itself => true,
        };
        if !tells || view.started.loops {
            return Seen::Nothing(None);
        }
        let folder = self.work();
        let named = |(name, value): (String, Vec<u8>)| {
            (name.into_bytes(), named(&value, folder.as_os_str().as_bytes()))
        };
        Seen::Values(view.told().into_iter().map(named).collect())
    }
}

/// Whether a file of this name is, or leads to, one of the receivers.
fn is_receiver(file: &[u8]) -> bool {
    let base = file.rsplit(|&byte| byte == b'/').next().unwrap_or_default();
    base.to_ascii_lowercase().starts_with(b"press") || base == b"folder"
}

/// The folders of PATH without those of one user alone: the runtimes are those of the system.
pub(crate) fn system_path(path: &OsStr) -> OsString {
    let folders = std::env::split_paths(path)
        .filter(|folder| ["/usr/", "/bin", "/sbin"].iter().any(|start| folder.starts_with(start)));
    std::env::join_paths(folders).unwrap_or_default()
}

/// What a receiver of the demo told: records with a NUL behind each, behind anything else.
fn values(told: &[u8], folder: &[u8]) -> Option<Vec<(Vec<u8>, Vec<u8>)>> {
    const FIRST: [&str; 12] = [
        "argc ",
        "len(os.Args) ",
        "args_os().count() ",
        "len(sys.argv) ",
        "args.length ",
        "$0 ",
        "$argc ",
        "process.argv.length ",
        "ARGC ",
        "argv0 ",
        "#arg ",
        "argv0 ",
    ];
    let found = |first: &&str| told.windows(first.len()).position(|part| part == first.as_bytes());
    let start = FIRST.iter().filter_map(found).min()?;
    let records = &told[start..start + told[start..].iter().rposition(|&byte| byte == 0)?];
    let record = |record: &[u8]| {
        // Only names of Tcl and Rust hold blanks.
        let record = record.strip_prefix(b"\n").unwrap_or(record);
        let words = if record.starts_with(b"lindex $argv ") { 3 } else { 1 };
        let blank = record.iter().enumerate().filter(|(_, byte)| **byte == b' ').nth(words - 1);
        let at = blank.map_or(record.len(), |(at, _)| at);
        (record[..at].to_vec(), named(record.get(at + 1..).unwrap_or_default(), folder))
    };
    Some(records.split(|&byte| byte == 0).map(record).collect())
}

/// A value with a name in place of the folder, which is another in each run.
fn named(value: &[u8], folder: &[u8]) -> Vec<u8> {
    match value.strip_prefix(folder) {
        Some(rest) => [b"{here}", rest].concat(),
        None if value == b"node" || value.ends_with(b"/bin/node") => b"{node}".to_vec(),
        None => value.to_vec(),
    }
}

/// The versions of all runtimes.
pub fn versions() -> String {
    const TOLD: [&[&str]; 14] = [
        &["python3", "--version"],
        &["perl", "-e", "print qq(perl $])"],
        &["node", "--version"],
        &["php", "--version"],
        &["ruby", "--version"],
        &["gawk", "--version"],
        &["mawk", "-W", "version"],
        &["lua5.4", "-v"],
        &["java", "-version"],
        &["go", "version"],
        &["rustc", "--version"],
        &["cc", "--version"],
        &["bash", "--version"],
        &["ldd", "--version"],
    ];
    TOLD.map(crate::listed::version).join("; ")
}
