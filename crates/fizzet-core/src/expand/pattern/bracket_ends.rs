//! Where a bracket expression ends behind a part that has matched, in the shells that look for that anew.

use crate::dialect::{BracketMistake, Skips};
use crate::expand::pattern::bracket::{Inside, Outcome, Reader};
use crate::expand::pattern::class::Member;

/// The longest expression in which the end is looked for behind each part.
pub(super) const MAX_SKIPPED: usize = 256;

impl Reader<'_> {
    /// What is listed, with what becomes of the characters that match it.
    pub(super) fn with_outcomes(self, rest: Outcome, negated: bool) -> Vec<(Member, Outcome)> {
        let skips = self.brackets.skips;
        let end = if let Outcome::End(end) = rest { end } else { self.from.bytes.len() };
        let begun = &self.from.bytes[self.from.at + 1..end];
        let all_same = skips == Skips::No
            || begun.len() > MAX_SKIPPED
            || (matches!(rest, Outcome::End(_)) && !begun.contains(&b'['));
        let outcome = |at: usize| match skips {
            _ if all_same => rest,
            Skips::No => rest,
            Skips::Counting => self.counted_end(at, negated),
            Skips::Strictly => self.strict_end(at),
        };
        self.parts.iter().map(|&(member, at)| (member, outcome(at))).collect()
    }

    /// The byte at a place as the searches for the end see it: a quoted one is like a backslash.
    fn seen(&self, at: usize) -> Option<u8> {
        self.from.active(at).map(|byte| byte.unwrap_or(b'\\'))
    }

    /// How many bytes a backslash takes that stands before what it escapes, or in its place.
    fn escaped_length(&self, at: usize) -> usize {
        let written =
            self.from.active(at) == Some(Some(b'\\')) && self.from.rules.backslash_escapes;
        if written { 2 } else { 1 }
    }

    /// Where the expression ends behind a part that has matched, as a shell finds it that counts what opens.
    fn counted_end(&self, mut at: usize, negated: bool) -> Outcome {
        let (mut open, mut sign) = (1u32, None);
        let mut byte = self.seen(at);
        loop {
            let Some(before) = byte else { return Outcome::Opener };
            byte = self.seen(at);
            let Some(now) = byte else {
                at += 1;
                continue;
            };
            match now {
                b'[' if matches!(self.seen(at + 1), Some(b'=' | b':' | b'.')) => {
                    open += 1;
                    sign = self.seen(at + 1);
                    at += 2;
                    byte = self.seen(at);
                    continue;
                }
                b']' if open > 1 && sign == Some(before) => {
                    open -= 1;
                    sign = None;
                }
                b']' if sign != Some(b'.') => {
                    return if negated { Outcome::Fails } else { Outcome::End(at + 1) };
                }
                b'\\' => {
                    at += self.escaped_length(at);
                    continue;
                }
                _ => {}
            }
            at += 1;
        }
    }

    /// The same for a shell in which what nothing closes behind the part is a mistake.
    fn strict_end(&self, mut at: usize) -> Outcome {
        loop {
            let Some(byte) = self.seen(at) else { return Outcome::Opener };
            let sign = self.seen(at + 1).filter(|_| byte == b'[');
            at = match (byte, sign) {
                (b']', _) => return Outcome::End(at + 1),
                (b'\\', _) => at + self.escaped_length(at),
                (_, Some(b':')) => match self.class(at) {
                    Inside::Class(_, end) | Inside::Mistake(BracketMistake::Fails, end) => end,
                    _ => at + 1,
                },
                (_, Some(b'=')) => match self.equivalent(at) {
                    Inside::Equivalent(_, end) => end,
                    _ => return Outcome::Fails,
                },
                (_, Some(b'.')) => match self.closed(at, b'.') {
                    Some(name) => at + name.len() + 4,
                    None => return Outcome::Fails,
                },
                _ => at + 1,
            };
        }
    }
}
