//! Where a shell takes the slash of `${x/pattern/text}` from: it looks for the byte in all that is left of the word
//! (observed in busybox sh 1.35).

use crate::source::Span;
use crate::syntax::ast::{Operation, Part, Word};
use crate::syntax::cursor::{Parsed, Parser, Segment};
use crate::syntax::within::Within;

/// How many replacements may come to stand inside each other.
pub(super) const MAX_LEVELS: u32 = 16;

/// The pattern as far as its first slash, quoted or not; what is behind that goes before the replacement.
pub(super) fn cut_at_slash(pattern: Word, replacement: Option<Word>) -> (Word, Option<Word>) {
    let span = pattern.span;
    let mut first = pattern.parts;
    // A slash that begins the pattern, unquoted as it is, belongs to it.
    let is_slash = |part: &Part| matches!(part, Part::Literal { bytes, .. } if **bytes == *b"/");
    let rest = first.split_off(usize::from(first.first().is_some_and(is_slash)));
    let (before, mut behind) = match split_at_slash(rest) {
        Ok(halves) => halves,
        Err(rest) => {
            first.extend(rest);
            return (Word::new(first, span), replacement);
        }
    };
    first.extend(before);
    if let Some(word) = replacement {
        let end = word.span.start as usize;
        let slash = Span::new(span.source, end.saturating_sub(1), end);
        behind.push(Part::Literal { bytes: [b'/'].into(), span: slash });
        behind.extend(word.parts);
    }
    (Word::new(first, span), Some(Word::new(behind, span)))
}

/// Whether a slash stands between quotes.
pub(super) fn hides_slash(pattern: &Word) -> bool {
    pattern.parts.iter().any(|part| match part {
        Part::Single { bytes, .. } | Part::AnsiC { bytes, .. } => bytes.contains(&b'/'),
        Part::Double { parts, .. } => parts
            .iter()
            .any(|part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'/'))),
        _ => false,
    })
}

/// The parts before and behind the first slash that no backslash quotes; all of them if there is none.
fn split_at_slash(parts: Vec<Part>) -> Result<(Vec<Part>, Vec<Part>), Vec<Part>> {
    let Some(found) = parts.iter().position(has_slash) else { return Err(parts) };
    let mut before = parts;
    let mut behind = before.split_off(found + 1);
    if let Some(part) = before.pop() {
        let (left, right) = halves(part);
        let is_something =
            |part: &Part| !matches!(part, Part::Literal { bytes, .. } if bytes.is_empty());
        before.extend(Some(left).filter(is_something));
        behind.splice(0..0, Some(right).filter(is_something));
    }
    Ok((before, behind))
}

fn has_slash(part: &Part) -> bool {
    match part {
        Part::Literal { bytes, .. } | Part::Single { bytes, .. } | Part::AnsiC { bytes, .. } => {
            bytes.contains(&b'/')
        }
        Part::Double { parts, .. } => parts.iter().any(has_slash),
        _ => false,
    }
}

/// What stands before and behind the slash of a part.
fn halves(part: Part) -> (Part, Part) {
    let cut = |bytes: &[u8]| -> (Box<[u8]>, Box<[u8]>) {
        let at = bytes.iter().position(|&byte| byte == b'/').unwrap_or(bytes.len());
        (Box::from(&bytes[..at]), Box::from(&bytes[(at + 1).min(bytes.len())..]))
    };
    match part {
        Part::Literal { bytes, span } => {
            let (left, right) = cut(&bytes);
            // The place of a literal says where each of its bytes is written.
            let (first, second) = places(span, left.len());
            (
                Part::Literal { bytes: left, span: first },
                Part::Literal { bytes: right, span: second },
            )
        }
        Part::Single { bytes, span } | Part::AnsiC { bytes, span } => {
            let (left, right) = cut(&bytes);
            (Part::Single { bytes: left, span }, Part::Single { bytes: right, span })
        }
        Part::Double { parts, span } => {
            let (left, right) = split_at_slash(parts).unwrap_or_else(|all| (all, Vec::new()));
            (Part::Double { parts: left, span }, Part::Double { parts: right, span })
        }
        other => (other.clone(), other),
    }
}

/// The places of what stands before and behind the slash of a literal.
fn places(span: Span, before: usize) -> (Span, Span) {
    let start = span.start as usize;
    let slash = (start + before).min(span.end as usize);
    let behind = (slash + 1).min(span.end as usize);
    (Span::new(span.source, start, slash), Span::new(span.source, behind, span.end as usize))
}

/// Gives the first replacement that has no slash of its own what stands behind the next one in the word; what stands
/// between vanishes. Behind a tilde that cannot be expanded all is as it is written. `levels`: how many may still
/// come to stand inside each other; nothing where that is too few.
pub(super) fn reach_on(mut parts: Vec<Part>, levels: u32) -> Option<Vec<Part>> {
    let Some(at) = parts.iter().position(holds_open_replacement) else { return Some(parts) };
    let is_bare_tilde = |bytes: &[u8]| bytes.starts_with(b"~") && !bytes.contains(&b'/');
    if matches!(parts.first(), Some(Part::Literal { bytes, .. }) if is_bare_tilde(bytes)) {
        return Some(parts);
    }
    let rest = parts.split_off(at + 1);
    let Some(part) = parts.pop() else { return Some(parts) };
    let (part, left) = filled(part, rest, levels)?;
    parts.push(part);
    parts.extend(left);
    Some(parts)
}

/// Whether a part is a replacement without a slash, or holds one between its quotes.
fn holds_open_replacement(part: &Part) -> bool {
    match part {
        Part::Parameter(parameter) => {
            matches!(parameter.operation, Operation::Replace { replacement: None, .. })
        }
        Part::Double { parts, .. } => parts.iter().any(holds_open_replacement),
        _ => false,
    }
}

/// The part with its replacement, and what is left of the word: nothing, or all of it where there is no slash.
fn filled(part: Part, rest: Vec<Part>, levels: u32) -> Option<(Part, Vec<Part>)> {
    match part {
        Part::Parameter(mut parameter) => {
            let behind = match split_at_slash(rest) {
                Ok((_, behind)) => behind,
                Err(rest) => return Some((Part::Parameter(parameter), rest)),
            };
            let behind = reach_on(behind, levels.checked_sub(1)?)?;
            if let Operation::Replace { replacement, .. } = &mut parameter.operation {
                *replacement = Some(Word::new(behind, parameter.span));
            }
            Some((Part::Parameter(parameter), Vec::new()))
        }
        // What stands behind the quotes counts, too.
        Part::Double { parts: mut inner, span } => {
            let at = inner.iter().position(holds_open_replacement)?;
            let mut all = vec![Part::Double { parts: inner.split_off(at + 1), span }];
            all.extend(rest);
            let (part, mut left) = filled(inner.pop()?, all, levels)?;
            inner.push(part);
            if !left.is_empty()
                && let Part::Double { parts, .. } = left.remove(0)
            {
                inner.extend(parts);
            }
            Some((Part::Double { parts: inner, span }, left))
        }
        part => Some((part, rest)),
    }
}

/// The text of a pattern that a slash or a brace ends, without the backslashes before slashes.
struct Unescaped {
    /// Where the pattern ends in the text that is read.
    end: usize,
    text: Vec<u8>,
    segments: Vec<Segment>,
}

impl Parser<'_> {
    /// The parts of the pattern of a replacement, where the shell takes the backslashes before slashes out of its
    /// text before it reads anything in it; nothing if none stands in quotes or in another expansion.
    pub(super) fn pattern_without_backslashes(
        &mut self,
        within: Within,
    ) -> Parsed<Option<Vec<Part>>> {
        if !self.dialect.backslashes_leave_slashes {
            return Ok(None);
        }
        let Some(Unescaped { end, text, segments }) = self.unescaped_slashes() else {
            return Ok(None);
        };
        // No slash ends anything any more.
        let within = match within {
            Within::QuotedReplaced => Within::QuotedPattern,
            _ => within,
        };
        let parts = self.deeper(|outer| {
            let mut inner = outer.inner(text, segments);
            inner.braces_in_replaced = outer.braces_in_replaced;
            let mut parts = inner.parts(within)?;
            while !inner.at_end() {
                parts.push(inner.literal_up_to(inner.pos + 1));
                parts.extend(inner.parts(within)?);
            }
            Ok(parts)
        })?;
        self.pos = end;
        Ok(Some(parts))
    }

    /// The text of the pattern here, if a backslash before a slash is nested in it.
    fn unescaped_slashes(&self) -> Option<Unescaped> {
        let mut at = self.pos;
        let mut text = Vec::new();
        let mut segments = vec![self.segment_at(at, 0)];
        let (mut quote, mut open, mut nested) = (None, 0u32, false);
        loop {
            let byte = *self.text.get(at)?;
            match (byte, quote) {
                (b'/', _) | (b'}', None) if byte == b'/' || open == 0 => break,
                (b'\\', _) if self.text.get(at + 1) == Some(&b'/') => {
                    nested |= quote.is_some() || open > 0;
                    at += 1;
                    segments.push(self.segment_at(at, text.len()));
                }
                (b'\\', _) => {
                    text.push(byte);
                    at += 1;
                }
                (b'\'' | b'"', None) => quote = Some(byte),
                (_, Some(opener)) if byte == opener => quote = None,
                (b'{' | b'(', None) => open += 1,
                (b'}' | b')', None) => open = open.saturating_sub(1),
                _ => {}
            }
            text.push(*self.text.get(at)?);
            at += 1;
        }
        nested.then_some(Unescaped { end: at, text, segments })
    }
}
