//! Traps, each found in what a trace did, never guessed from the text alone.
//!
//! A note is a row of [`NOTES`]: a name of our own, the characters without which the trap cannot be
//! there, and a function that looks for it in one command of a trace.

mod elsewhere;
mod parameters;
mod written;

pub use elsewhere::{counts, counts_may_differ};

use std::borrow::Cow;
use std::collections::HashSet;

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

impl<'a> Look<'a> {
    fn say(&mut self, span: Span, message: String, instead: String) {
        if !self.found.iter().any(|(known, ..)| *known == span) {
            self.found.push((span, message, instead));
        }
    }

    fn written(&self, span: Span) -> Cow<'a, str> {
        let bytes = self.sources.bytes(span);
        str::from_utf8(bytes).map_or_else(|_| String::from_utf8_lossy(bytes), Cow::Borrowed)
    }
}

type Finder = fn(&mut Look<'_>);

/// The catalogue: names, finders, and the characters of which one must stand in the words as written
/// ([`ANY`]: the trap needs none).
const NOTES: &[(&str, Finder, u128)] = &[
    ("split-value", parameters::split_value, characters(b"$`")),
    ("vanished-value", parameters::vanished_value, characters(b"$`")),
    ("vanished-value", parameters::vanished_parameters, characters(b"$")),
    ("value-matched-files", parameters::value_matched_files, characters(b"$`")),
    ("joined-parameters", parameters::joined_parameters, characters(b"$")),
    ("cut-number", parameters::cut_number, characters(b"$")),
    ("dash-from-data", parameters::dash_from_data, ANY),
    ("pasted-text", written::pasted_text, ANY),
    ("quoted-tilde", written::quoted_tilde, characters(b"~")),
    ("quoted-pattern", written::quoted_pattern, characters(b"\"")),
    ("early-quote", written::early_quote, characters(b"\"")),
    ("comparison-redirects", written::comparison_redirects, ANY),
    ("joined-assignment", written::joined_assignment, ANY),
    ("foreign-name", elsewhere::foreign_name, ANY),
    ("lost-program", elsewhere::lost_program, ANY),
];

/// The characters that a trap needs when it needs none.
const ANY: u128 = u128::MAX;

/// The ASCII characters of some bytes, a bit each.
const fn characters(bytes: &[u8]) -> u128 {
    let (mut set, mut at) = (0, 0);
    while at < bytes.len() {
        if bytes[at].is_ascii() {
            set |= 1 << bytes[at];
        }
        at += 1;
    }
    set
}

/// Looks at commands one after the other. The same trap at the same place is told once, however often
/// the place is passed.
#[derive(Default)]
pub struct Watch {
    told: HashSet<(&'static str, Span)>,
    commands: usize,
}

impl Watch {
    /// The notes on a command, in the order of its text.
    pub fn look(&mut self, sources: &Sources, command: &CommandTrace) -> Vec<Note> {
        let at = self.commands;
        self.commands += 1;
        let written = command.words.iter().map(|word| characters(sources.bytes(word.span)));
        let written = written.fold(0, |all, one| all | one);
        let mut notes: Vec<Note> = Vec::new();
        for (name, finder, needed) in NOTES {
            if *needed != ANY && needed & written == 0 {
                continue;
            }
            let mut look = Look { sources, command, found: Vec::new() };
            finder(&mut look);
            for (span, message, instead) in look.found {
                if self.told.insert((*name, span)) {
                    notes.push(Note { name, span, message, instead, command: at });
                }
            }
        }
        notes.sort_by_key(|note| (note.span.start, note.span.end));
        notes
    }
}

/// All notes on a trace, in the order of its commands and of their text.
pub fn find(trace: &Trace) -> Vec<Note> {
    let mut watch = Watch::default();
    trace.commands.iter().flat_map(|command| watch.look(&trace.sources, command)).collect()
}
