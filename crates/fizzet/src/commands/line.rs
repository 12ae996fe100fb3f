//! `fizzet line`: one typed line.

use std::io::{self, Write};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::notes;
use fizzet_core::source::SourceKind;
use fizzet_core::trace::Trace;
use fizzet_core::walk;
use fizzet_host::read_standard_input;

use crate::cli::{Format, LineOptions, Shells, Show};
use crate::commands::{all, evaluation};
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::shells;
use crate::render::{diagnose, json, line, nul};
use crate::scenario::missing_as_toml;

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// Arguments that cannot be used, input that cannot be read, output that cannot be written.
pub fn run(options: LineOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || traced(options))
}

fn traced(mut options: LineOptions) -> Result<u8, Failure> {
    options.evaluation.take_scenario()?;
    let mut operands = std::mem::take(&mut options.operands).into_iter();
    let text = line_text(operands.next().unwrap_or_default().as_bytes())?;
    let arguments = evaluation::taken(operands);
    let machine = Rc::new(evaluation::machine(&options.evaluation)?);
    let trace = |dialect: Dialect| {
        let given = &options.evaluation;
        let source = (SourceKind::Line, &text[..]);
        let mut state = evaluation::starting_state(given, dialect, source, &arguments)?;
        state.keeps_stages = options.show.contains(&Show::Stages);
        Ok(walk::line(state, machine.clone()))
    };
    match options.evaluation.shells() {
        Shells::One(shell) => {
            let mut found = trace(Dialect::of(shell))?;
            if options.output.format != Format::Nul && notes::counts_may_differ(&found) {
                let others = Shell::ALL.into_iter().filter(|&other| other != shell);
                let others: Vec<Trace> =
                    others.map(|other| trace(Dialect::of(other))).collect::<Result<_, _>>()?;
                found.notes.extend(notes::counts(&found, &others));
            }
            print(&options, &found)
        }
        Shells::All => all::print(&options.output, &options.show, &trace, &shells::write),
    }
}

fn line_text(given: &[u8]) -> Result<Vec<u8>, Failure> {
    if given != b"-" {
        return Ok(given.to_vec());
    }
    let mut text = read_standard_input().map_err(|error| Failure::Unusable {
        what: "standard input".into(),
        why: error.to_string(),
        hint: "give the line as an argument instead".into(),
    })?;
    if text.last() == Some(&b'\n') {
        text.pop();
    }
    Ok(text)
}

/// Prints a trace and answers the exit status.
fn print(options: &LineOptions, trace: &Trace) -> Result<u8, Failure> {
    let status = evaluation::status(&trace.ending);
    let whole = status == 0;
    let mut out = io::BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text if trace.commands.is_empty() && !whole => {}
        Format::Text => {
            let mut page = Page::new(&options.output);
            line::write(&mut page, trace, &options.show);
            page.write(&mut out)?;
        }
        Format::Json => json::line(trace, &options.show, &mut out)?,
        // A vector with a hole in it must not look like a whole one.
        Format::Nul if whole => nul::line(trace, &mut out)?,
        Format::Nul => {}
    }
    out.flush()?;
    let mut page = Page::for_messages(options.output.color, options.output.width);
    if options.evaluation.missing_as_scenario && !trace.missing.is_empty() {
        page.text(&missing_as_toml(&trace.missing)?);
    } else {
        diagnose::mistakes(&mut page, trace.shell, &trace.sources, &trace.mistakes);
        diagnose::ending(&mut page, trace.shell, &trace.sources, &trace.ending, &trace.missing);
    }
    page.write(&mut io::stderr().lock())?;
    Ok(status)
}
