//! Committed lists of cases, and what came of each: a first row with versions, then two rows a case.

use std::fmt::Display;
use std::io;
use std::path::{Path, PathBuf};
use std::process::Command;

/// A folder of this crate.
pub(crate) fn folder(name: &str) -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join(name)
}

/// The lines of a list such as `kernel/calls.txt`.
///
/// # Errors
/// A list that cannot be read.
pub fn cases(list: &str) -> io::Result<Vec<String>> {
    let text = std::fs::read_to_string(folder(list))?;
    Ok(text.lines().filter(|line| !line.is_empty()).map(String::from).collect())
}

/// What was recorded in a file, in order: the line and what came of it.
///
/// # Errors
/// A record that cannot be read.
pub fn recorded(record: &str) -> io::Result<Vec<(String, String)>> {
    let text = std::fs::read_to_string(folder(record))?;
    let mut rows = text.lines().skip(1);
    let mut cases = Vec::new();
    while let (Some(line), Some(outcome)) = (rows.next(), rows.next()) {
        cases.push((line.into(), outcome.strip_prefix("  ").unwrap_or(outcome).into()));
    }
    Ok(cases)
}

/// Writes what came of each line, below the versions of what did it.
///
/// # Errors
/// A record that cannot be written.
pub fn write_recorded(
    record: &str,
    versions: &str,
    cases: &[(String, impl Display)],
) -> io::Result<()> {
    let mut text = format!("{versions}\n");
    for (line, outcome) in cases {
        text += &format!("{line}\n  {outcome}\n");
    }
    std::fs::write(folder(record), text)
}

/// The first line that a program tells about its version.
pub(crate) fn version(command: &[&str]) -> String {
    let output = Command::new(command[0]).args(&command[1..]).output();
    let told = output.map(|output| [output.stdout, output.stderr].concat()).unwrap_or_default();
    String::from_utf8_lossy(&told).lines().next().unwrap_or("not there").to_owned()
}
