//! Truth about conversions: what each language makes of a text that should be a number.

use std::collections::BTreeMap;
use std::ffi::OsStr;
use std::io;
use std::os::unix::ffi::OsStrExt;
use std::path::Path;
use std::process::{Command, Stdio};
use std::rc::Rc;

use fizzet_core::dialect::Shell;
use fizzet_core::receive::convert::shell::SHELL_CONVERSIONS;
use fizzet_core::receive::convert::{CONVERSIONS, Outcome, Value};
use fizzet_host::Machine;

use crate::listed::{cases, folder};

/// How the conversions of a language are started, and built first where that is needed.
struct Language {
    name: &'static str,
    build: &'static [&'static str],
    start: &'static [&'static str],
}

const fn language(
    name: &'static str,
    build: &'static [&'static str],
    start: &'static [&'static str],
) -> Language {
    Language { name, build, start }
}

const LANGUAGES: [Language; 15] = [
    language("c", &["cc", "-o", "convert_c", "convert.c"], &["./convert_c"]),
    language("go", &["go", "build", "-o", "convert_go", "convert.go"], &["./convert_go"]),
    language("rust", &["rustc", "-o", "convert_rs", "convert.rs"], &["./convert_rs"]),
    language("java", &["javac", "Convert.java"], &["java", "Convert"]),
    language("python", &[], &["python3", "convert.py"]),
    language("perl", &[], &["perl", "convert.pl"]),
    language("php", &[], &["php", "convert.php"]),
    language("javascript", &[], &["node", "convert.js"]),
    language("ruby", &[], &["ruby", "convert.rb"]),
    language("bash", &[], &["bash", "convert.sh"]),
    language("dash", &[], &["dash", "convert.sh"]),
    language("busybox", &[], &["busybox", "sh", "convert.sh"]),
    language("ksh93", &[], &["ksh93", "convert.sh"]),
    language("mksh", &[], &["mksh", "convert.sh"]),
    language("zsh", &[], &["zsh", "-f", "convert.sh"]),
];

/// The committed texts: as they are written there, and their bytes.
///
/// # Errors
/// A list that cannot be read.
pub fn texts() -> io::Result<Vec<(String, Vec<u8>)>> {
    Ok(cases("receive/texts.txt")?.into_iter().map(|line| (line.clone(), decoded(&line))).collect())
}

fn decoded(line: &str) -> Vec<u8> {
    let mut out = Vec::new();
    let mut rest = line.trim_matches('"').as_bytes();
    while let Some((&first, behind)) = rest.split_first() {
        rest = behind;
        if first != b'\\' {
            out.push(first);
            continue;
        }
        let Some((&escape, behind)) = rest.split_first() else { break };
        rest = behind;
        match escape {
            b't' => out.push(b'\t'),
            b'n' => out.push(b'\n'),
            b'r' => out.push(b'\r'),
            b'x' if rest.len() > 1 => {
                let digits = std::str::from_utf8(&rest[..2]).unwrap_or("0");
                out.push(u8::from_str_radix(digits, 16).unwrap_or(0));
                rest = &rest[2..];
            }
            other => out.push(other),
        }
    }
    out
}

/// What each conversion of each language that is here makes of each text, by the number of the text.
///
/// # Errors
/// A folder that cannot be made, or a program that does not tell all it should.
pub fn truth(texts: &[Vec<u8>]) -> io::Result<BTreeMap<(String, usize), String>> {
    let root = tempfile::tempdir()?;
    for entry in std::fs::read_dir(folder("receive/convert"))? {
        let entry = entry?;
        std::fs::copy(entry.path(), root.path().join(entry.file_name()))?;
    }
    let mut all = BTreeMap::new();
    for language in &LANGUAGES {
        all.extend(told(language, root.path(), texts)?);
    }
    Ok(all)
}

fn told(
    language: &Language,
    root: &Path,
    texts: &[Vec<u8>],
) -> io::Result<Vec<((String, usize), String)>> {
    let command = |words: &[&str]| {
        let mut command = Command::new(words[0]);
        command.args(&words[1..]).current_dir(root).env("LC_ALL", "C.UTF-8").stdin(Stdio::null());
        command
    };
    if !language.build.is_empty() && !command(language.build).status()?.success() {
        return Err(io::Error::other(format!("{} cannot be built", language.name)));
    }
    let mut command = command(language.start);
    command.args(texts.iter().map(|text| OsStr::from_bytes(text))).stderr(Stdio::null());
    let output = command.output()?.stdout;
    let rows = String::from_utf8_lossy(&output).into_owned();
    let row = |row: &str| {
        let mut parts = row.splitn(3, ' ');
        let at = parts.next()?.parse::<usize>().ok()?;
        let conversion = format!("{} {}", language.name, parts.next()?);
        Some(((conversion, at - 1), parts.next().unwrap_or_default().to_owned()))
    };
    let rows: Vec<_> = rows.lines().filter_map(row).collect();
    match rows.last() {
        Some(((_, at), _)) if at + 1 == texts.len() => Ok(rows),
        _ => Err(io::Error::other(format!("{} does not tell of all texts", language.name))),
    }
}

/// Whether a row of docs/DIFFERENCES.md says that a conversion and Fizzet may differ: numbers of ksh93
/// have 80 bits, and a grammar of their own.
pub fn may_differ(conversion: &str) -> bool {
    conversion.starts_with("ksh93 ")
}

/// An outcome as it is recorded: reals as their bits.
fn recorded(outcome: &Outcome) -> String {
    let mut told = match &outcome.value {
        Err(error) => (*error).to_owned(),
        Ok(Value::Real(real)) if real.is_nan() => "nan".to_owned(),
        Ok(Value::Real(real)) => format!("{:016x}", real.to_bits()),
        Ok(_) => outcome.shown().unwrap_or_default(),
    };
    if let Some(stops) = outcome.stops {
        told += &format!(" stops {stops}");
    }
    if outcome.out_of_range {
        told += " ERANGE";
    }
    told
}

/// What the core says each conversion makes of a text.
pub fn prediction(text: &[u8]) -> BTreeMap<String, String> {
    let mut all = BTreeMap::new();
    for conversion in CONVERSIONS {
        let name = format!("{} {}", conversion.language, conversion.name);
        all.insert(name, recorded(&(conversion.run)(text)));
    }
    let host = Rc::new(Machine::at("."));
    for shell in Shell::ALL.into_iter().filter(|shell| *shell != Shell::Posix) {
        for conversion in SHELL_CONVERSIONS {
            let name = format!("{} {}", shell.name(), conversion.name);
            all.insert(name, recorded(&conversion.of(text, shell, host.clone())));
        }
    }
    all
}
