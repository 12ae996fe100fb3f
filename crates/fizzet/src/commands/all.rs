//! `--shell all`: a text with the rules of every shell, side by side.

use std::io::{self, Write};

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::trace::Trace;

use crate::cli::{Format, OutputOptions, Show};
use crate::commands::evaluation;
use crate::failure::Failure;
use crate::render::json;
use crate::render::page::Page;
use crate::render::shells::{Group, Outcome};

/// Writes what came of the traces for people.
pub(super) type Writer<'w> = &'w dyn Fn(&mut Page, &[Trace], &[Group]);

/// Traces with the rules of every shell and prints what came of it; `write` does so for people.
pub(super) fn print(
    output: &OutputOptions,
    show: &[Show],
    trace: &dyn Fn(Dialect) -> Result<Trace, Failure>,
    write: Writer<'_>,
) -> Result<u8, Failure> {
    let traces: Vec<Trace> =
        Shell::ALL.into_iter().map(|shell| trace(Dialect::of(shell))).collect::<Result<_, _>>()?;
    let outcome = |dialect: &Dialect| trace(dialect.clone()).map(|one| Outcome::of(&one)).ok();
    let mut groups = Group::all(&traces);
    let explained = Group::explain(&mut groups, &traces, &outcome);
    let mut out = io::BufWriter::new(io::stdout().lock());
    match output.format {
        Format::Text => {
            let mut page = Page::new(output);
            write(&mut page, &traces, &groups);
            page.write(&mut out)?;
        }
        Format::Json => json::shells(&traces, &groups, show, &mut out)?,
        Format::Nul => {
            return Err(Failure::Unusable {
                what: "--format nul".into(),
                why: "it prints one vector, and --shell all makes several".into(),
                hint: "name one shell, or use --format json".into(),
            });
        }
    }
    out.flush()?;
    if !explained {
        let mut page = Page::for_messages(output.color, output.width);
        page.styled(page.palette.alert, "fizzet: ").text("the rules were not looked for").end_row();
        page.text("  each would have this text walked again, and it takes too many steps;")
            .end_row();
        page.text("  give the stretch that differs alone to see them").end_row();
        page.write(&mut io::stderr().lock())?;
    }
    Ok(traces.iter().map(|trace| evaluation::status(&trace.ending)).max().unwrap_or(0))
}
