//! Braces where the quotes of a word end elsewhere for them than for the rest of the shell (observed in bash 5.2).
//!
//! bash looks for braces in the text of the word, in which the second double quote of `"${x-"{a,b}"}"` ends what the
//! first began. The words that the braces make are read only then.

use crate::dialect::Dialect;
use crate::expand::brace::{Expansion, Unit};
use crate::source::{SourceId, Span};
use crate::stop::Stop;
use crate::syntax::ast::{Operation, Part, Word};
use crate::syntax::{Parsed, Parser};

/// The words that the braces in the text of a word make: one if there are none for bash. `None` where its quotes
/// are those of the parts. `written` is the word's text.
///
/// # Errors
/// More words than `limit`; inside, words that cannot be read.
pub(super) fn words(
    word: &Word,
    written: &[u8],
    (dialect, limit): (&Dialect, usize),
) -> Result<Option<Parsed<Vec<Word>>>, Stop> {
    let ends_early = |part: &Part| match part {
        Part::Double { span, .. } if span.source == word.span.source => {
            let (start, end) = (span.start.wrapping_sub(word.span.start), span.end - span.start);
            let text = written.get(start as usize..).unwrap_or_default();
            text.starts_with(b"\"") && quoted_length(text, dialect) < end as usize
        }
        _ => false,
    };
    // Only in these can quotes stand in quotes and end them.
    let holds_quotes = written.contains(&b'`') || written.windows(2).any(|two| two == b"${");
    if !holds_quotes || !written.contains(&b'{') || !word.parts.iter().any(ends_early) {
        return Ok(None);
    }
    let units = units(written, word.span, dialect);
    let made = Expansion { limit, span: word.span }.expand(&units)?;
    if made.len() == 1 {
        return Ok(Some(Ok(vec![word.clone()])));
    }
    let read = |units: &Vec<Unit>| Parser::of_pieces(units.iter().map(Unit::text), dialect);
    Ok(Some(made.iter().map(|units| read(units).whole_word_of(word.span)).collect()))
}

/// Whether a word could be one whose quotes end elsewhere; costs next to nothing.
pub(super) fn may_end_early(word: &Word) -> bool {
    let holds_quotes = |part: &Part| match part {
        Part::Parameter(parameter) => !matches!(parameter.operation, Operation::Value),
        Part::Command(_) => true,
        _ => false,
    };
    word.parts.iter().any(|part| match part {
        Part::Double { parts, .. } => parts.iter().any(holds_quotes),
        _ => false,
    })
}

/// How long the quoted text is that `text` begins with, its quotes included.
fn quoted_length(text: &[u8], dialect: &Dialect) -> usize {
    let quote = text[0];
    let mut at = 1;
    while at < text.len() {
        match text[at] {
            byte if byte == quote => return at + 1,
            b'\\' if quote != b'\'' => at += 2,
            b'$' if quote == b'"' => at += substitution_length(&text[at..], dialect),
            _ => at += 1,
        }
    }
    text.len()
}

/// How long the command substitution is that `text` begins with; 1 if there is none.
fn substitution_length(text: &[u8], dialect: &Dialect) -> usize {
    if !text.starts_with(b"$(") {
        return 1;
    }
    Parser::new(text, SourceId::MAIN, dialect).substitution_length().unwrap_or(1)
}

fn units(written: &[u8], span: Span, dialect: &Dialect) -> Vec<Unit> {
    let mut units = Vec::new();
    let mut at = 0;
    while let Some(&byte) = written.get(at) {
        let rest = &written[at..];
        let (length, open) = match byte {
            b'\\' => (rest.len().min(2), 0),
            b'"' | b'\'' | b'`' => (quoted_length(rest, dialect), 0),
            b'$' if rest.starts_with(b"${") => (2, 1),
            b'$' => (substitution_length(rest, dialect), 0),
            _ => (0, 0),
        };
        let start = span.start + at as u32;
        let place = |length: usize| Span { start, end: start + length as u32, ..span };
        if length == 0 {
            units.push(Unit::Byte(byte, place(1)));
        } else {
            let part = Part::Literal { bytes: rest[..length].into(), span: place(length) };
            units.push(Unit::Part(part, open));
        }
        at += length.max(1);
    }
    units
}

impl Unit {
    /// The text of a unit, and where it stands.
    fn text(&self) -> (&[u8], Span) {
        match self {
            Unit::Byte(byte, span) => (std::slice::from_ref(byte), *span),
            Unit::Part(Part::Literal { bytes, span }, _) | Unit::Generated(bytes, span) => {
                (bytes, *span)
            }
            Unit::Part(part, _) => (&[], part.span()),
        }
    }
}
