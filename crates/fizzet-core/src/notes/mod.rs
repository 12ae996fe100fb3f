//! Traps, each found in what a trace did, never guessed from the text alone.

use crate::source::Span;
use crate::trace::Trace;

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

/// All notes on a trace, in the order of its commands.
pub fn find(_trace: &Trace) -> Vec<Note> {
    Vec::new()
}
