//! Recorded truth: what each real shell passed on for each committed line.
//!
//! A topic is a list of lines in `lines/TOPIC.txt` (one a row; `␤` stands for a newline) and, made
//! from it, `recorded/TOPIC.jsonl`: for each line, which shells passed on which vectors.

use std::io;
use std::path::{Path, PathBuf};

use fizzet_core::dialect::Shell;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};

use crate::outcome::{Outcome, Vector, argument_bytes};

/// A line and what the real shells made of it.
#[derive(Clone, Debug)]
pub struct Case {
    /// The line.
    pub line: String,
    /// One entry for each outcome that some shell had.
    pub got: Vec<Got>,
}

/// An outcome and the shells that had it.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Got {
    /// In the order of the dialect table.
    pub shells: Vec<Shell>,
    /// What programs received.
    pub outcome: Outcome,
}

#[derive(Serialize, Deserialize)]
struct Row {
    line: String,
    got: Vec<GotRow>,
}

#[derive(Serialize, Deserialize)]
struct GotRow {
    shells: String,
    vectors: Vec<Vec<Value>>,
}

fn folder(name: &str) -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join(name)
}

/// The names of all topics, sorted.
///
/// # Errors
/// A folder that cannot be read.
pub fn topics() -> io::Result<Vec<String>> {
    let mut topics = Vec::new();
    for entry in std::fs::read_dir(folder("lines"))? {
        let name = entry?.file_name().to_string_lossy().into_owned();
        topics.extend(name.strip_suffix(".txt").map(String::from));
    }
    topics.sort();
    Ok(topics)
}

/// The lines of a topic.
///
/// # Errors
/// A file that cannot be read.
pub fn lines(topic: &str) -> io::Result<Vec<String>> {
    let text = std::fs::read_to_string(folder("lines").join(format!("{topic}.txt")))?;
    let lines = text.lines().filter(|line| !line.is_empty() && !line.starts_with("## "));
    Ok(lines.map(|line| line.replace('␤', "\n")).collect())
}

/// What was recorded for a topic.
///
/// # Errors
/// A file that cannot be read or was not written by [`write`].
pub fn read(topic: &str) -> io::Result<Vec<Case>> {
    let text = std::fs::read_to_string(folder("recorded").join(format!("{topic}.jsonl")))?;
    text.lines().map(|row| Ok(case(serde_json::from_str(row)?))).collect()
}

/// The recorded lines on which the prediction for a shell differs, each with its reason in
/// docs/DIFFERENCES.md.
///
/// # Errors
/// A file that cannot be read.
pub fn known_differences(shell: Shell) -> io::Result<Vec<String>> {
    let text = std::fs::read_to_string(folder("known.txt"))?;
    let rows = text.lines().filter_map(|row| row.split_once(": "));
    let own = rows.filter(|(name, _)| *name == shell.name());
    Ok(own.map(|(_, line)| line.replace('␤', "\n")).collect())
}

fn case(row: Row) -> Case {
    let got = |got: GotRow| Got {
        shells: got.shells.split(' ').filter_map(Shell::from_name).collect(),
        outcome: Outcome { vectors: got.vectors.iter().map(|vector| from_json(vector)).collect() },
    };
    Case { line: row.line, got: row.got.into_iter().map(got).collect() }
}

fn from_json(vector: &[Value]) -> Vector {
    let bytes = |value: &Value| match value.as_str() {
        Some(text) => text.as_bytes().to_vec(),
        None => argument_bytes(value),
    };
    vector.iter().map(bytes).collect()
}

fn to_json(vector: &Vector) -> Vec<Value> {
    let value = |bytes: &Vec<u8>| match std::str::from_utf8(bytes) {
        Ok(text) => json!(text),
        Err(_) => {
            json!({ "hex": bytes.iter().map(|byte| format!("{byte:02x}")).collect::<String>() })
        }
    };
    vector.iter().map(value).collect()
}

/// Writes what was recorded for a topic.
///
/// # Errors
/// A file that cannot be written.
pub fn write(topic: &str, cases: &[Case]) -> io::Result<()> {
    let mut text = String::new();
    for case in cases {
        let got = |got: &Got| GotRow {
            shells: got.shells.iter().map(|shell| shell.name()).collect::<Vec<_>>().join(" "),
            vectors: got.outcome.vectors.iter().map(to_json).collect(),
        };
        let row = Row { line: case.line.clone(), got: case.got.iter().map(got).collect() };
        text += &serde_json::to_string(&row)?;
        text.push('\n');
    }
    std::fs::write(folder("recorded").join(format!("{topic}.jsonl")), text)
}
