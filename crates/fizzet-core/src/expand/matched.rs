//! What `${(SMRBEN)x#pattern}` tells of a match (observed in zsh 5.9; zshexpn, "Parameter Expansion Flags").

use std::ops::Range;

use crate::expand::pattern::Pattern;
use crate::expand::{Context, arithmetic};
use crate::source::Span;
use crate::stop::Stop;
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
    ///
    /// # Errors
    /// As for [`which_match`].
    pub(super) fn of(
        cx: &mut dyn Context,
        flags: &[Flag],
        span: Span,
    ) -> Result<Option<Matched>, Stop> {
        let has = |letter: u8| flags.iter().any(|flag| flag.letter == letter);
        if !b"SMRBENI".iter().any(|&letter| has(letter)) {
            return Ok(None);
        }
        let mut told: Vec<u8> = b"MRBEN".iter().copied().filter(|&letter| has(letter)).collect();
        if told.is_empty() {
            told.push(b'R');
        }
        let which = which_match(cx, flags, span)?;
        Ok(Some(Matched { anywhere: has(b'S'), which, told }))
    }

    /// The bytes of the match in a text.
    pub(super) fn range_of(
        &self,
        text: &Text,
        pattern: &Pattern,
        (suffix, longest): (bool, bool),
    ) -> Option<(usize, usize)> {
        let ends = character_ends(text.bytes(), true);
        let found = self.range(text.bytes(), &ends, pattern, (suffix, longest))?;
        Some((ends[found.start], ends[found.end]))
    }

    /// What is told of the match in a text; numbers count characters from 1.
    pub(super) fn told(&self, text: &Text, found: Option<(usize, usize)>) -> Text {
        let ends = character_ends(text.bytes(), true);
        let character = |at: usize| ends.partition_point(|&end| end < at);
        let (first, last) = found.map_or((0, 0), |(from, to)| (character(from), character(to)));
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
        let place = |at: usize| ends.binary_search(&at).ok();
        // Where a match that begins at a character ends, the shortest or the longest one.
        let end_of = |from: usize| {
            let rest = &bytes[ends[from]..];
            if longest && pattern.is_in_order() {
                return place(ends[from] + pattern.longest_end(rest)?);
            }
            let found = pattern.prefix_ends(rest);
            let places = found.into_iter().filter_map(|end| place(ends[from] + end));
            if longest { places.max() } else { places.min() }
        };
        if self.anywhere {
            let starts = 0..=last;
            let found = |from: usize| end_of(from).map(|to| from..to);
            return match suffix {
                true => starts.rev().filter_map(found).nth(self.which - 1),
                false => starts.filter_map(found).nth(self.which - 1),
            };
        }
        match suffix {
            true => place(pattern.suffix_start(bytes, longest)?).map(|from| from..last),
            false => end_of(0).map(|to| 0..to),
        }
    }
}

/// Which match the expression of `(I:n:)` asks for, from 1.
///
/// # Errors
/// An expression that cannot be read or computed.
pub(super) fn which_match(cx: &mut dyn Context, flags: &[Flag], span: Span) -> Result<usize, Stop> {
    let flag = flags.iter().find(|flag| flag.letter == b'I');
    let Some(written) = flag.and_then(|flag| flag.arguments.first()) else { return Ok(1) };
    let number = arithmetic::text_value(cx, written, span)?;
    Ok(usize::try_from(number).unwrap_or_default().max(1))
}

/// Bytes with the origin of a text.
fn like(text: &Text, bytes: &[u8]) -> Text {
    super::flags::like(text, bytes.to_vec())
}
