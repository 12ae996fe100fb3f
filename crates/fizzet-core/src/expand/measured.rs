//! How bash looks for the pattern of `${x/p/r}`: it measures the pattern first, and tries only as much of the value
//! as it takes (observed in bash 5.2: `shopt -s extglob; x=abc; echo ${x//*(b)/-} ${x/[!]a]/-}`).
//!
//! A pattern that may match nothing does so between characters. A bracket expression is measured by the first
//! bracket that closes, which is not always the one that it ends at.

use crate::expand::pattern::{Pattern, PatternRules};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::syntax::ast::Replace;
use crate::text::{Standing, Text, character_ends};

/// A pattern and what was found out about it beforehand.
pub(super) struct Measured {
    pattern: Pattern,
    /// The same with stars around it, which the whole value must match.
    around: Pattern,
    /// How many characters it takes, if that does not depend on the value.
    length: Option<usize>,
    first: First,
    which: Replace,
    characters: bool,
}

/// What the first character of a match may be.
enum First {
    Anything,
    /// A value that has ended, too.
    AnythingOrNothing,
    Byte(u8),
}

impl Measured {
    /// `None` where the search finds what any other would.
    pub(super) fn new(
        text: &Text,
        (rules, which): (PatternRules, Replace),
        span: Span,
    ) -> Option<Measured> {
        let (bytes, quoting) = (text.bytes(), text.quoting());
        if !bytes.iter().zip(&quoting).any(|(byte, quoted)| b"([".contains(byte) && !quoted) {
            return None;
        }
        let pattern = Pattern::from_text(text, rules);
        let length = measured(bytes, &quoting, rules.characters);
        let matches_nothing = pattern.has_groups() && pattern.matches(b"");
        let is_misjudged = length.is_some() && length != pattern.width();
        if !pattern.minds_end() && !matches_nothing && !is_misjudged {
            return None;
        }
        let star = Text::from_bytes(b"*", Standing::Splittable, Origin::new(Rule::Literal, span));
        let mut around = if which == Replace::Prefix { Text::new() } else { star.clone() };
        around.push_text(text);
        if which != Replace::Suffix {
            around.push_text(&star);
        }
        let active = |at: usize| bytes.get(at).copied().filter(|_| !quoting[at]);
        let is_group = rules.groups && active(1) == Some(b'(');
        let first = match active(0) {
            Some(b'*') => First::AnythingOrNothing,
            Some(b'?' | b'[') => First::Anything,
            Some(b'+' | b'!' | b'@') if is_group => First::Anything,
            Some(b'\\') => First::Byte(bytes.get(1).copied().unwrap_or(b'\\')),
            _ => First::Byte(bytes[0]),
        };
        let around = Pattern::from_text(&around, rules);
        Some(Measured { pattern, around, length, first, which, characters: rules.characters })
    }

    /// The next match in what is left of a value: where it begins and ends.
    pub(super) fn find(&self, rest: &[u8]) -> Option<(usize, usize)> {
        if !self.around.matches(rest) {
            return None;
        }
        let ends = character_ends(rest, self.characters);
        let count = ends.len() - 1;
        let spare = match self.length {
            Some(length) => Some(count.checked_sub(length)?),
            None => None,
        };
        // The match that begins behind so many characters.
        let at = |start: usize| {
            let from = ends[start];
            let end = match self.length {
                Some(length) => {
                    let end = *ends.get(start + length)?;
                    self.pattern.matches(&rest[from..end]).then_some(end)?
                }
                None => from + self.pattern.prefix_ends(&rest[from..]).pop()?,
            };
            Some((from, end))
        };
        match self.which {
            Replace::Prefix => self.fits(rest).then(|| at(0)).flatten(),
            Replace::Suffix => {
                let starts = spare.map_or(0..=count, |start| start..=start);
                let mut starts = starts.map(|start| ends[start]);
                let start = starts.find(|&start| self.pattern.matches(&rest[start..]))?;
                Some((start, rest.len()))
            }
            _ => (0..=count).filter(|&start| self.fits(&rest[ends[start]..])).find_map(at),
        }
    }

    fn fits(&self, rest: &[u8]) -> bool {
        match self.first {
            First::AnythingOrNothing => true,
            First::Anything => !rest.is_empty(),
            First::Byte(byte) => rest.first() == Some(&byte),
        }
    }
}

/// How many characters a pattern takes; `None` if a star or a group is in it.
fn measured(bytes: &[u8], quoting: &[bool], characters: bool) -> Option<usize> {
    let mut length = 0;
    let mut at = 0;
    let is_continuation = |byte: u8| characters && byte & 0xc0 == 0x80;
    while let Some(&byte) = bytes.get(at) {
        let quoted = quoting[at];
        let opens_group = bytes.get(at + 1) == Some(&b'(') && !quoting[at + 1];
        match byte {
            b'*' if !quoted => return None,
            b'?' | b'+' | b'!' | b'@' if !quoted && opens_group => return None,
            b'\\' if !quoted => {
                length += 1;
                at += 1;
            }
            b'[' if !quoted => {
                let (end, closed) = bracket_end(bytes, quoting, at);
                length += if closed { 1 } else { end - at };
                at = end;
                continue;
            }
            byte if is_continuation(byte) => {}
            _ => length += 1,
        }
        at += 1;
    }
    Some(length)
}

/// Behind the bracket that closes the one at an offset, as the measure has it; or the end.
fn bracket_end(bytes: &[u8], quoting: &[bool], open: usize) -> (usize, bool) {
    let active = |at: usize| bytes.get(at).copied().filter(|_| !quoting[at]);
    let mut inside = None;
    let mut at = open + 1;
    // The first character is looked at for what it is, but never as the end.
    let mut is_first = true;
    while at < bytes.len() {
        let next = active(at + 1);
        match active(at) {
            Some(b']') if !is_first => return (at + 1, true),
            Some(b'\\') => at += 1,
            Some(b'[') if matches!(next, Some(b':' | b'.' | b'=')) => {
                inside = next;
                at += 1;
                if next != Some(b':') && active(at + 1) == Some(b']') {
                    at += 1;
                }
            }
            Some(sign) if inside == Some(sign) && next == Some(b']') => {
                inside = None;
                at += 1;
            }
            _ => {}
        }
        is_first = false;
        at += 1;
    }
    (bytes.len(), false)
}
