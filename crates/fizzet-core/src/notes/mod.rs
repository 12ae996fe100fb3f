//! Traps, each found in what a trace did, never guessed from the text alone.
//!
//! A note is a row of [`NOTES`]: a name of our own and a function that looks for the trap in one
//! command of a trace.

mod elsewhere;
mod parameters;
mod written;

pub use elsewhere::{counts, counts_may_differ};

use crate::source::{Sources, Span};
use crate::trace::{CommandTrace, Trace};

/// A trap that the traced text fell into.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Note {
    /// The name of the kind of trap.
    pub name: &'static str,
    /// Where.
    pub span: Span,
    /// What happened.
    pub message: String,
    /// What to write instead.
    pub instead: String,
    /// Which command, counted from 0.
    pub command: usize,
}

/// One command under inspection.
struct Look<'a> {
    sources: &'a Sources,
    command: &'a CommandTrace,
    /// Notes found so far in this command: place, message, what to write instead.
    found: Vec<(Span, String, String)>,
}

impl Look<'_> {
    fn say(&mut self, span: Span, message: String, instead: String) {
        if !self.found.iter().any(|(known, ..)| *known == span) {
            self.found.push((span, message, instead));
        }
    }

    fn written(&self, span: Span) -> String {
        String::from_utf8_lossy(self.sources.bytes(span)).into_owned()
    }
}

type Finder = fn(&mut Look<'_>);

/// The catalogue.
const NOTES: &[(&str, Finder)] = &[
    ("split-value", parameters::split_value),
    ("vanished-value", parameters::vanished_value),
    ("vanished-value", parameters::vanished_parameters),
    ("value-matched-files", parameters::value_matched_files),
    ("joined-parameters", parameters::joined_parameters),
    ("cut-number", parameters::cut_number),
    ("dash-from-data", parameters::dash_from_data),
    ("pasted-text", written::pasted_text),
    ("quoted-tilde", written::quoted_tilde),
    ("quoted-pattern", written::quoted_pattern),
    ("early-quote", written::early_quote),
    ("comparison-redirects", written::comparison_redirects),
    ("joined-assignment", written::joined_assignment),
    ("foreign-name", elsewhere::foreign_name),
];

/// All notes on a trace, in the order of its commands and of their text. The same trap at the same
/// place is told once, however often the place was passed.
pub fn find(trace: &Trace) -> Vec<Note> {
    let mut notes: Vec<Note> = Vec::new();
    let mut told = std::collections::HashSet::new();
    for (at, command) in trace.commands.iter().enumerate() {
        let first = notes.len();
        for (name, finder) in NOTES {
            let mut look = Look { sources: &trace.sources, command, found: Vec::new() };
            finder(&mut look);
            for (span, message, instead) in look.found {
                if told.insert((*name, span)) {
                    notes.push(Note { name, span, message, instead, command: at });
                }
            }
        }
        notes[first..].sort_by_key(|note| (note.span.start, note.span.end));
    }
    notes
}
