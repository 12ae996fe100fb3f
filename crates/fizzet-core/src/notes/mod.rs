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

use rustc_hash::FxHashMap;

use crate::source::{Sources, Span};
use crate::text::Text;
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

/// Without what a trap cannot be in a command.
#[derive(Clone, Copy)]
enum Needs {
    /// One of these characters in a word as it is written.
    Written(u128),
    /// This in what has become of the command.
    Made(Made),
}

/// What may have become of a command that a trap shows itself in.
#[derive(Clone, Copy)]
enum Made {
    /// A word that made no argument.
    NoArgument,
    /// A word that made several arguments.
    Arguments,
    /// A parameter that is empty, or not set.
    Emptiness,
    /// Several parameters in one pair of quotes.
    Joined,
    /// A pattern that matched files.
    Matched,
    /// An argument that begins with the `-` of an expansion.
    Dash,
    /// A redirection.
    Redirections,
    /// An assignment.
    Assignments,
    /// That nothing carries it out.
    Absence,
}

/// The catalogue: names, finders, and what each trap needs.
const NOTES: &[(&str, Finder, Needs)] = &[
    ("split-value", parameters::split_value, Needs::Made(Made::Arguments)),
    ("vanished-value", parameters::vanished_value, Needs::Made(Made::NoArgument)),
    ("vanished-value", parameters::vanished_parameters, Needs::Made(Made::Emptiness)),
    ("value-matched-files", parameters::value_matched_files, Needs::Made(Made::Matched)),
    ("joined-parameters", parameters::joined_parameters, Needs::Made(Made::Joined)),
    ("cut-number", parameters::cut_number, Needs::Written(characters(b"$"))),
    ("dash-from-data", parameters::dash_from_data, Needs::Made(Made::Dash)),
    ("pasted-text", written::pasted_text, Needs::Written(characters(b"\r\x80"))),
    ("quoted-tilde", written::quoted_tilde, Needs::Written(characters(b"~"))),
    ("quoted-pattern", written::quoted_pattern, Needs::Written(characters(b"\""))),
    ("early-quote", written::early_quote, Needs::Written(characters(b"\""))),
    ("comparison-redirects", written::comparison_redirects, Needs::Made(Made::Redirections)),
    ("joined-assignment", written::joined_assignment, Needs::Made(Made::Assignments)),
    ("foreign-name", elsewhere::foreign_name, Needs::Made(Made::Absence)),
    ("lost-program", elsewhere::lost_program, Needs::Made(Made::Absence)),
];

/// The rows of [`NOTES`] with such needs, a bit each.
const fn rows_that_need(made: Made) -> u16 {
    const { assert!(NOTES.len() <= 16) };
    let (mut rows, mut at) = (0, 0);
    while at < NOTES.len() {
        if let Needs::Made(needed) = NOTES[at].2
            && needed as u8 == made as u8
        {
            rows |= 1 << at;
        }
        at += 1;
    }
    rows
}

/// The rows that may find something in words with these characters, whatever becomes of them.
fn rows_for_written(written: u128) -> u16 {
    let needs = NOTES.iter().map(|(.., needs)| *needs).enumerate();
    let rows =
        needs.filter(|(_, needs)| matches!(needs, Needs::Written(any) if any & written != 0));
    rows.fold(0, |all, (at, _)| all | 1 << at)
}

/// The rows that may find something in what has become of a command, whatever is written.
fn rows_for_made(command: &CommandTrace) -> u16 {
    let mut rows = 0;
    let mut may = |is: bool, made: u16| rows |= if is { made } else { 0 };
    for word in &command.words {
        may(word.count == 0, const { rows_that_need(Made::NoArgument) });
        may(word.count > 1, const { rows_that_need(Made::Arguments) });
        may(!word.matched.is_empty(), const { rows_that_need(Made::Matched) });
        for expansion in &word.expansions {
            let empty = expansion.filled < expansion.count;
            may(empty, const { rows_that_need(Made::Emptiness) });
            may(expansion.quoted && expansion.count > 1, const { rows_that_need(Made::Joined) });
        }
    }
    let expanded = |text: &Text| text.run_at(0).is_some_and(|run| run.origin.rule().is_expansion());
    let dash = |text: &Text| text.bytes().first() == Some(&b'-') && expanded(text);
    may(command.argv.iter().skip(1).any(dash), const { rows_that_need(Made::Dash) });
    may(!command.redirections.is_empty(), const { rows_that_need(Made::Redirections) });
    may(!command.assignments.is_empty(), const { rows_that_need(Made::Assignments) });
    may(command.absent, const { rows_that_need(Made::Absence) });
    rows
}

/// A set of characters: a bit for each of ASCII, but the first one for all bytes that are not ASCII. (No word
/// holds the NUL that the bit would be for.)
const fn characters(bytes: &[u8]) -> u128 {
    let (mut set, mut at) = (0, 0);
    while at < bytes.len() {
        set |= match bytes[at] {
            ascii @ 0..0x80 => 1 << ascii,
            _ => 1,
        };
        at += 1;
    }
    set
}

/// Looks at commands one after the other. The same trap at the same place is told once, however often
/// the place is passed.
#[derive(Default)]
pub struct Watch {
    told: HashSet<(&'static str, Span)>,
    /// The rows of [`NOTES`] that may find something in the words as they are written, a bit each, for each place
    /// passed.
    written: FxHashMap<Span, u16>,
    commands: usize,
}

impl Watch {
    /// The notes on a command, in the order of its text.
    pub fn look(&mut self, sources: &Sources, command: &CommandTrace) -> Vec<Note> {
        let at = self.commands;
        self.commands += 1;
        let written = *self.written.entry(command.span).or_insert_with(|| {
            let words = command.words.iter().map(|word| characters(sources.bytes(word.span)));
            rows_for_written(words.fold(0, |all, one| all | one))
        });
        let mut notes: Vec<Note> = Vec::new();
        let mut left = written | rows_for_made(command);
        while left != 0 {
            let (name, finder, _) = &NOTES[left.trailing_zeros() as usize];
            left &= left - 1;
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
