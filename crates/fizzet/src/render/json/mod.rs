//! The stable JSON.

pub mod accept;
mod events;
mod kept;
pub mod launch;
mod places;
#[cfg(any(test, feature = "schema"))]
pub mod schema;
pub mod shape;
pub mod view;

pub use accept::accept;
pub use events::Events;
pub use launch::{exec, launch, systems};
pub use view::{proofs, view};

use std::io::Write;

use fizzet_core::dialect::{Row, Shell};
use fizzet_core::outline::Outline;
use fizzet_core::source::Sources;
use fizzet_core::text::Text;
use fizzet_core::trace::Trace;
use serde::Serialize;

use crate::cli::Show;
use crate::failure::Failure;
use crate::render::json::places::{Places, VERSION};
use crate::render::json::shape::{
    AllShells, Arg, GroupOut, Received, RuleOut, SpreadForm, SpreadOther, SpreadOut, SpreadTable,
};
use crate::render::shells::Group;
use crate::render::spread::{Row as SpreadRow, Table};

impl<'a> Received<'a> {
    /// The wire form of a vector.
    pub fn new(vector: &'a [Vec<u8>], taken: &'a [Vec<u8>]) -> Received<'a> {
        let plain = |bytes: &'a Vec<u8>| Arg::of_bytes(bytes, None, false);
        Received {
            fizzet: VERSION,
            argv: vector.iter().map(plain).collect(),
            argc: vector.len(),
            taken: taken.iter().map(plain).collect(),
        }
    }
}

/// Writes the document of `--shell all`.
///
/// # Errors
/// What the writer says.
pub fn shells(
    traces: &[Trace],
    groups: &[Group],
    show: &[Show],
    out: &mut dyn Write,
) -> Result<(), Failure> {
    let rule = |row: &&'static Row| RuleOut { name: row.name, sentence: row.sentence.trim() };
    let group = |group: &Group| GroupOut {
        shells: group.shells.iter().map(|shell| shell.name()).collect(),
        rules: group.rules.iter().map(rule).collect(),
    };
    let places: Vec<Places<'_>> =
        traces.iter().map(|trace| Places::new(&trace.sources, show)).collect();
    let document = AllShells {
        fizzet: VERSION,
        shells: traces.iter().zip(&places).map(|(trace, places)| places.line(trace)).collect(),
        groups: groups.iter().map(group).collect(),
    };
    written(&document, out)
}

/// Writes the document of `line`.
///
/// # Errors
/// What the writer says.
pub fn line(trace: &Trace, show: &[Show], out: &mut dyn Write) -> Result<(), Failure> {
    let places = Places::new(&trace.sources, show);
    written(&places.line(trace), out)
}

/// Writes the document of `outline`.
///
/// # Errors
/// What the writer says.
pub fn outline(
    shell: Shell,
    sources: &Sources,
    outline: &Outline,
    out: &mut dyn Write,
) -> Result<(), Failure> {
    let places = Places::new(sources, &[]);
    written(&places.outline(shell, outline), out)
}

/// Writes the document of `spread`.
///
/// # Errors
/// What the writer says.
pub fn spread(table: &Table, out: &mut dyn Write) -> Result<(), Failure> {
    let chosen = [("chosen", &table.rows)];
    let all = chosen.into_iter().chain(table.by_ifs.iter().map(|(name, rows)| (*name, rows)));
    let document = SpreadOut {
        fizzet: VERSION,
        shell: table.shell.name(),
        positional: table.parameters.iter().map(|one| Arg::of_bytes(one, None, false)).collect(),
        tables: all
            .map(|(ifs, rows)| SpreadTable { ifs, forms: rows.iter().map(spread_form).collect() })
            .collect(),
    };
    written(&document, out)
}

fn spread_form(row: &SpreadRow) -> SpreadForm<'_> {
    SpreadForm {
        form: row.form,
        arguments: row.arguments.as_deref().map(plain),
        others: row
            .others
            .iter()
            .map(|other| SpreadOther {
                shells: other.shells.iter().map(|shell| shell.name()).collect(),
                arguments: other.arguments.as_deref().map(plain),
            })
            .collect(),
    }
}

/// Arguments without where they came from.
fn plain(texts: &[Text]) -> Vec<Arg<'_>> {
    texts.iter().map(|text| Arg::of_bytes(text.bytes(), None, text.has_hole())).collect()
}

/// Writes a document on a line of its own.
fn written(document: &impl Serialize, out: &mut dyn Write) -> Result<(), Failure> {
    serde_json::to_writer(&mut *out, document)?;
    Ok(out.write_all(b"\n")?)
}
