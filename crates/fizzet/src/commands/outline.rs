//! `fizzet outline`: a script as it is written.

use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::outline;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_core::trace::Ending;

use crate::cli::{Format, OutlineOptions, Shells};
use crate::commands::evaluation;
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::{self, diagnose, json};

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// A script that cannot be read, output that cannot be written.
pub fn run(options: OutlineOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || outlined(&options))
}

fn outlined(options: &OutlineOptions) -> Result<u8, Failure> {
    let shell = match options.shell {
        Shells::One(shell) => shell,
        Shells::All => return Err(one_shell("--shell all")),
    };
    let text = evaluation::script(&options.file)?;
    let sources = Sources::new(SourceKind::File(options.file.as_bytes().into()), &text);
    match outline::outline(&text, &Dialect::of(shell)) {
        Ok(outline) => print(options, shell, &sources, &outline),
        Err(error) => {
            let mut page = Page::for_messages(options.output.color, options.output.width);
            let ending = Ending::Syntax(error);
            diagnose::ending(&mut page, shell, &sources, &ending, &[]);
            page.write(&mut io::stderr().lock())?;
            Ok(evaluation::status(&ending))
        }
    }
}

fn one_shell(what: &str) -> Failure {
    Failure::Unusable {
        what: what.into(),
        why: "an outline follows the grammar of one shell".into(),
        hint: "name one".into(),
    }
}

fn print(
    options: &OutlineOptions,
    shell: Shell,
    sources: &Sources,
    outline: &outline::Outline,
) -> Result<u8, Failure> {
    let mut out = BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            render::outline::write(&mut page, shell, sources, outline, &mut out)?;
        }
        Format::Json => json::outline(shell, sources, outline, &mut out)?,
        Format::Nul => {
            return Err(Failure::Unusable {
                what: "--format nul".into(),
                why: "an outline has no vector".into(),
                hint: "use --format json".into(),
            });
        }
    }
    out.flush()?;
    Ok(0)
}
