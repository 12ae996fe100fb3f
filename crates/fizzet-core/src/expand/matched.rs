//! What `${(SMRBEN)x#pattern}` tells of a match (observed in zsh 5.9; zshexpn, "Parameter Expansion Flags").

use std::ops::Range;

use crate::expand::pattern::Pattern;
use crate::syntax::ast::Flag;
use crate::text::{Text, character_ends};

/// What flags say of a match of `#`, `##`, `%` and `%%`.
pub(super) struct Matched {
    /// `(S)`: it may begin and end anywhere.
    anywhere: bool,
    /// `(I:n:)`: which one, from 1; only where it may be anywhere.
    which: usize,
    /// What is told of it, in this order: `M` the match, `R` the rest, `B` where it begins, `E` where it has
    /// ended, `N` its length.
    told: Vec<u8>,
}

impl Matched {
    /// What the flags ask for, if they ask for anything.
    pub(super) fn of(flags: &[Flag]) -> Option<Matched> {
        let has = |letter: u8| flags.iter().any(|flag| flag.letter == letter);
        if !b"SMRBENI".iter().any(|&letter| has(letter)) {
            return None;
        }
        let which = flags.iter().find(|flag| flag.letter == b'I');
        let number = |flag: &Flag| {
            std::str::from_utf8(flag.arguments.first()?).ok()?.trim().parse::<usize>().ok()
        };
        let which = which.and_then(number);
        let mut told: Vec<u8> = b"MRBEN".iter().copied().filter(|&letter| has(letter)).collect();
        if told.is_empty() {
            told.push(b'R');
        }
        Some(Matched { anywhere: has(b'S'), which: which.unwrap_or(1).max(1), told })
    }

    /// What is told of the match in a text; numbers count characters from 1.
    pub(super) fn told(&self, text: &Text, pattern: &Pattern, suffix: bool, longest: bool) -> Text {
        let ends = character_ends(text.bytes(), true);
        let found = self.range(text.bytes(), &ends, pattern, (suffix, longest));
        let (first, last) = found.as_ref().map_or((0, 0), |range| (range.start, range.end));
        let slice = |from: usize, to: usize| text.slice(ends[from], ends[to]);
        let mut out = Text::new();
        for (nth, letter) in self.told.iter().enumerate() {
            if nth > 0 {
                out.push_text(&like(text, b" "));
            }
            out.push_text(&match letter {
                b'M' => slice(first, last),
                b'R' => {
                    let mut rest = slice(0, first);
                    rest.push_text(&slice(last, ends.len() - 1));
                    rest
                }
                b'B' => like(text, (first + 1).to_string().as_bytes()),
                b'E' => like(text, (last + 1).to_string().as_bytes()),
                _ => like(text, (last - first).to_string().as_bytes()),
            });
        }
        out
    }

    /// The places of the match among the ends of characters.
    fn range(
        &self,
        bytes: &[u8],
        ends: &[usize],
        pattern: &Pattern,
        (suffix, longest): (bool, bool),
    ) -> Option<Range<usize>> {
        let last = ends.len() - 1;
        let matches = |from: usize, to: usize| pattern.matches(&bytes[ends[from]..ends[to]]);
        let ordered = |mut places: Vec<usize>, turned: bool| {
            if turned {
                places.reverse();
            }
            places
        };
        if !self.anywhere {
            // The shortest prefix ends first, the shortest suffix begins last.
            let places = ordered((0..=last).collect(), longest != suffix);
            return places.into_iter().find_map(|at| {
                let range = if suffix { at..last } else { 0..at };
                matches(range.start, range.end).then_some(range)
            });
        }
        let starts = ordered((0..=last).collect(), suffix);
        let found = starts.into_iter().filter_map(|from| {
            let ends = ordered((from..=last).collect(), longest);
            ends.into_iter().find(|&to| matches(from, to)).map(|to| from..to)
        });
        found.into_iter().nth(self.which - 1)
    }
}

/// Bytes with the origin of a text.
fn like(text: &Text, bytes: &[u8]) -> Text {
    super::flags::like(text, bytes.to_vec())
}
