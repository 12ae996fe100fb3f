//! `fizzet receive`: be the program.
//!
//! Fizzet is the receiver when it is asked for by name, when it is started under another name (a
//! link called `label`), and when it stands as the interpreter in a `#!` line.

use std::ffi::OsString;
use std::fs::{File, OpenOptions};
use std::io::{self, Read, Write};
use std::os::unix::ffi::{OsStrExt, OsStringExt};
use std::path::{Path, PathBuf};

use clap::Subcommand;

use crate::cli::{Color, Command, Format, OutputOptions, ReceiveOptions};
use crate::failure::Failure;
use crate::render::json::shape::Received;
use crate::render::page::Page;
use crate::render::received;

/// The environment variable that names the record file.
const RECORD: &str = "FIZZET_RECORD";

/// The vector, if this process was not started as the command `fizzet` but as a program of another
/// name or as an interpreter.
pub fn as_a_program(arguments: &[OsString]) -> Option<Vec<Vec<u8>>> {
    let zero = arguments.first().map_or(&b""[..], |zero| zero.as_bytes());
    let name = zero.rsplit(|&byte| byte == b'/').next().unwrap_or_default();
    if name != b"fizzet" || is_interpreter(arguments) {
        return Some(arguments.iter().map(|argument| argument.as_bytes().to_vec()).collect());
    }
    None
}

/// Whether the kernel started us for a `#!` file: then the file is our first argument.
fn is_interpreter(arguments: &[OsString]) -> bool {
    let Some(script) = arguments.get(1) else { return false };
    let taken = script.to_str().is_some_and(|word| word == "help" || Command::has_subcommand(word));
    if taken || script.as_bytes().starts_with(b"-") {
        return false;
    }
    let mut first = [0; 2];
    let read = File::open(script).and_then(|mut file| file.read_exact(&mut first));
    read.is_ok() && &first == b"#!"
}

/// Shows or records a vector that came under another name: every word of it is an argument.
///
/// # Errors
/// A record file or standard output that cannot be written.
pub fn under_another_name(vector: Vec<Vec<u8>>) -> Result<u8, Failure> {
    let record = std::env::var_os(RECORD).filter(|name| !name.is_empty()).map(PathBuf::from);
    let output = OutputOptions { format: Format::Text, color: Color::Auto, width: None };
    show(&output, record.as_deref(), &vector, &[])
}

/// `fizzet receive [ARG]...`
///
/// # Errors
/// A record file or standard output that cannot be written.
pub fn as_a_command(options: ReceiveOptions, zero: Vec<u8>) -> Result<u8, Failure> {
    let given: Vec<Vec<u8>> = options.arguments.into_iter().map(OsString::into_vec).collect();
    let all: Vec<Vec<u8>> = std::env::args_os().skip(1).map(OsString::into_vec).collect();
    let taken = all[..all.len() - given.len()].to_vec();
    let mut vector = vec![zero];
    vector.extend(given);
    let record = options
        .record
        .or_else(|| std::env::var_os(RECORD).filter(|name| !name.is_empty()).map(PathBuf::from));
    show(&options.output, record.as_deref(), &vector, &taken)
}

fn show(
    output: &OutputOptions,
    record: Option<&Path>,
    vector: &[Vec<u8>],
    taken: &[Vec<u8>],
) -> Result<u8, Failure> {
    if let Some(file) = record {
        append(file, vector, taken)?;
        return Ok(0);
    }
    let mut out = io::BufWriter::new(io::stdout().lock());
    match output.format {
        Format::Text => {
            let mut page = Page::new(output);
            received::write(&mut page, vector, taken);
            page.write(&mut out)?;
        }
        Format::Json => {
            serde_json::to_writer(&mut out, &Received::new(vector, taken))?;
            out.write_all(b"\n")?;
        }
        Format::Nul => {
            for argument in vector {
                out.write_all(argument)?;
                out.write_all(b"\0")?;
            }
        }
    }
    out.flush()?;
    Ok(0)
}

/// Appends one line in one write, so that receivers that run at the same time do not mix.
fn append(file: &Path, vector: &[Vec<u8>], taken: &[Vec<u8>]) -> Result<(), Failure> {
    let unusable = |error: io::Error| Failure::Unusable {
        what: format!("the record file {}", file.display()),
        why: error.to_string(),
        hint: format!("name a file that can be written with --record or {RECORD}"),
    };
    let mut line = serde_json::to_vec(&Received::new(vector, taken))?;
    line.push(b'\n');
    let opened = OpenOptions::new().create(true).append(true).open(file);
    opened.and_then(|mut record| record.write_all(&line)).map_err(unusable)
}
