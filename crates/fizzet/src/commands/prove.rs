//! `fizzet view --prove`: runs a tiny receiver in each language that is here, and compares.

use std::io::{self, BufWriter, Write};
use std::path::Path;
use std::process::{Command, Stdio};

use fizzet_core::receive::runtime::Runtime;
use fizzet_core::receive::table::RUNTIMES;
use fizzet_core::receive::view::view;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_host::Machine;

use crate::cli::{Format, ViewOptions};
use crate::commands::view::sample;
use crate::data;
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::{json, prove as rendering};

/// How the receiver of a compiled language is built: the runtime, and the words.
const BUILDS: &[(&str, &[&str])] = &[
    ("c", &["cc", "-o", "press", "press.c"]),
    ("c++", &["c++", "-o", "press", "press.cpp"]),
    ("go", &["go", "build", "-o", "press", "press.go"]),
    ("rust", &["rustc", "-o", "press", "press.rs"]),
    ("java", &["javac", "Press.java"]),
];

/// What was predicted for a runtime, and what its receiver saw.
#[derive(Debug)]
pub struct Proof {
    /// The runtime.
    pub runtime: &'static Runtime,
    /// Names and values as they are predicted.
    pub predicted: Vec<(String, Vec<u8>)>,
    /// The records that the receiver told; nothing where the runtime is not here.
    pub seen: Option<Vec<Vec<u8>>>,
}

impl Proof {
    /// A record as the receiver tells it.
    pub fn record((name, value): &(String, Vec<u8>)) -> Vec<u8> {
        [name.as_bytes(), b" ", value].concat()
    }

    /// Whether the receiver saw what is predicted; nothing where it was not run.
    pub fn holds(&self) -> Option<bool> {
        let seen = self.seen.as_ref()?;
        Some(self.predicted.iter().map(Proof::record).eq(seen.iter().cloned()))
    }
}

/// Runs the receivers and prints what each saw beside what is predicted.
///
/// # Errors
/// A temporary folder that cannot be made; output that cannot be written.
pub fn run(options: &ViewOptions) -> Result<u8, Failure> {
    let folder = tempfile::tempdir()?;
    data::write(data::RECEIVERS, folder.path())?;
    let root = folder.path().join("receivers");
    let chosen =
        |runtime: &&Runtime| options.runtime.as_deref().is_none_or(|name| runtime.name == name);
    let mut proofs = Vec::new();
    for runtime in RUNTIMES.iter().filter(chosen) {
        proofs.push(prove(runtime, options, &root)?);
    }
    let mut out = BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Json => json::proofs(&proofs, &mut out)?,
        _ => {
            let mut page = Page::new(&options.output);
            rendering::write(&mut page, &proofs);
            page.write(&mut out)?;
        }
    }
    out.flush()?;
    Ok(u8::from(proofs.iter().any(|proof| proof.holds() == Some(false))))
}

fn prove(runtime: &'static Runtime, options: &ViewOptions, root: &Path) -> Result<Proof, Failure> {
    let mut sources = Sources::new(SourceKind::Line, b"");
    let argv = sample(runtime, &options.arguments, &mut sources);
    let is_there = built(runtime, root);
    let predicted = view(runtime, argv, &Machine::at(root), &mut sources).told();
    let mut command = Command::new(runtime.sample[0]);
    command.args(&runtime.sample[1..]).args(&options.arguments);
    command.current_dir(root).stdin(Stdio::null()).stderr(Stdio::null());
    let seen = match is_there.then(|| command.output()) {
        Some(Ok(output)) => Some(records(&output.stdout)),
        // A runtime that is not here is told as such.
        Some(Err(error)) if error.kind() == io::ErrorKind::NotFound => None,
        Some(Err(error)) => return Err(error.into()),
        None => None,
    };
    Ok(Proof { runtime, predicted, seen })
}

/// Builds what has to be built; false where that cannot be done here.
fn built(runtime: &Runtime, root: &Path) -> bool {
    let Some((_, words)) = BUILDS.iter().find(|(name, _)| *name == runtime.name) else {
        return true;
    };
    let mut command = Command::new(words[0]);
    command.args(&words[1..]).current_dir(root);
    command.stdin(Stdio::null()).stdout(Stdio::null()).stderr(Stdio::null());
    command.status().is_ok_and(|status| status.success())
}

fn records(told: &[u8]) -> Vec<Vec<u8>> {
    let whole = told.strip_suffix(b"\0").unwrap_or(told);
    whole.split(|&byte| byte == 0).map(<[u8]>::to_vec).collect()
}
