//! A shell that looks for the ends of `${...}` and of words by other rules when it reads the line than when it
//! expands them (observed in ksh93u+m): what it refuses between braces, and how far a quote there runs on.

use std::borrow::Cow;

use crate::syntax::Parser;
use crate::syntax::ast::{Parameter, Part};
use crate::syntax::cursor::{Parsed, is_meta};
use crate::syntax::within::Within;

/// What may stand behind a sign such as `#-`, which is read as the name of a parameter at first.
const OPERATORS: &[u8] = b"}-+=:/%#?";
/// What ends no name in the eyes of the reader, and so is refused there.
const NEVER: &[u8] = b",[]~^&(<;| \t\"'`";

impl Parser<'_> {
    /// Behind `${`: refuses what cannot go on a count such as `${#-` or a name such as `${!`.
    pub(super) fn refuse_odd_signs(&mut self) -> Parsed<()> {
        if !self.dialect.braces_are_read_strictly {
            return Ok(());
        }
        let rest = &self.text[self.pos..];
        let refused = match rest {
            [b'!', b'0'..=b'9' | b'*' | b'@', ..] => Some(1),
            [b'#', b'-' | b'?' | b'*', rest @ ..] => refused_behind_sign(rest).map(|at| at + 2),
            [b'#', b'#', rest @ ..] => refused_in_name(rest).map(|at| at + 2),
            [b'0'..=b'9', ..] => {
                let digits = rest.iter().take_while(|byte| byte.is_ascii_digit()).count();
                refused_by(&rest[digits..], b"_.@[*!").map(|at| at + digits)
            }
            [b'?' | b'$' | b'-' | b'*', rest @ ..] => {
                refused_by(rest, NOT_BEHIND_SIGNS).map(|at| at + 1)
            }
            _ => None,
        };
        match refused {
            Some(at) => {
                self.pos += at;
                self.unexpected("an operation or }")
            }
            None => Ok(()),
        }
    }

    /// A single quote in `"${x-word}"` is text, but the reader wants a second one. The expansion begins at `start`
    /// in the text that is read, and ends here.
    pub(super) fn refuse_lone_quote(
        &self,
        parameter: &Parameter,
        start: usize,
        within: Within,
    ) -> Parsed<()> {
        let reads = self.dialect.braces_are_read_strictly
            && matches!(within, Within::Double | Within::BraceQuoted);
        if !reads || parameter.runs_on || quotes_in(parameter).is_multiple_of(2) {
            return Ok(());
        }
        let rest = &self.text[self.pos..];
        let behind = |rest: &[u8], byte: u8| rest.iter().position(|&one| one == byte);
        let closes = behind(rest, b'\'').is_some_and(|quote| {
            let rest = &rest[quote..];
            behind(rest, b'}').is_some_and(|brace| behind(&rest[brace..], b'"').is_some())
        });
        if closes {
            return Ok(());
        }
        let quote = behind(&self.text[start..self.pos], b'\'').unwrap_or_default();
        Err(self.unclosed(start + quote, 1, "'", "'"))
    }
}

impl<'a> Parser<'a> {
    /// A double quote at `start` in the word of a `"${x-word}"` ends the quotes around it, and a single quote behind
    /// it is never closed as far as the next double one: it runs on to the next single quote, or to the end of the
    /// word around the expansion as the reader has found it (observed in ksh93u+m: `echo "${x-"don't"}"`).
    pub(super) fn run_on(&mut self, start: usize) -> Parsed<Part> {
        let from = start + 1;
        let end = self.word_end()?;
        let place = self.span(from, end);
        let text = std::mem::take(&mut self.text);
        let mut parser = Parser::new(&text[from..end], place.source, self.dialect);
        parser.begins_at(place.start as usize);
        parser.quotes_run_on = true;
        let parts = parser.parts(Within::Unquoted);
        self.pos = (from + parser.pos + 1).min(end);
        self.text = text;
        if self.whole_text.is_none() {
            let short = cut(&self.text, end);
            self.whole_text = Some(std::mem::replace(&mut self.text, short));
        }
        Ok(Part::Double { parts: parts?, span: self.span(start, self.pos) })
    }

    /// The end of the word around the outermost double quote, as the reader finds it; in a here-document, that of
    /// the text. It is looked for once a word.
    fn word_end(&mut self) -> Parsed<usize> {
        let Some(quote) = self.outer_quote.filter(|_| self.whole_text.is_none()) else {
            return Ok(self.text.len());
        };
        let Some(end) = self.reader_end(quote) else {
            let single = self.text[quote..].iter().position(|&byte| byte == b'\'').unwrap_or(0);
            return Err(self.unclosed(quote + single, 1, "'", "'"));
        };
        Ok(end)
    }

    /// Whether the text ends here before what is open has been closed, because a single quote has run on.
    pub(super) fn is_cut(&self) -> bool {
        self.whole_text.is_some() && self.raw().is_none()
    }

    /// The end of the word that the double quote at `quote` is in.
    fn reader_end(&self, quote: usize) -> Option<usize> {
        let mut at = quote;
        while let Some(&byte) = self.text.get(at).filter(|&&byte| !is_meta(byte)) {
            at = match (byte, self.text.get(at + 1)) {
                (b'"' | b'\'' | b'`', _) => self.quotes_end(at)?,
                (b'$', Some(b'{')) => self.braces_end(at + 1, 0)?,
                (b'$', Some(b'(')) => self.parentheses_end(at + 1)? - 1,
                (b'\\', Some(_)) => at + 1,
                _ => at,
            } + 1;
        }
        Some(at)
    }
}

/// The text as far as `end`.
fn cut<'a>(text: &Cow<'a, [u8]>, end: usize) -> Cow<'a, [u8]> {
    match text {
        Cow::Borrowed(text) => Cow::Borrowed(&text[..end]),
        Cow::Owned(text) => Cow::Owned(text[..end].to_vec()),
    }
}

/// What a sign that is a parameter, such as `$?`, must not have behind it.
const NOT_BEHIND_SIGNS: &[u8] = b"0123456789_.@[*!";

/// Where one of these bytes stands, if one stands first.
fn refused_by(rest: &[u8], refused: &[u8]) -> Option<usize> {
    rest.first().is_some_and(|byte| refused.contains(byte)).then_some(0)
}

/// Where a byte stands that no operator begins with and no name.
fn refused_behind_sign(rest: &[u8]) -> Option<usize> {
    match rest.first()? {
        byte if OPERATORS.contains(byte) => None,
        byte if byte.is_ascii_alphabetic() || !byte.is_ascii() => refused_in_name(rest),
        _ => Some(0),
    }
}

/// Where the first byte stands that goes on neither the name nor an operation behind it.
fn refused_in_name(rest: &[u8]) -> Option<usize> {
    let in_name = |byte: &&u8| byte.is_ascii_alphanumeric() || matches!(byte, b'_' | b'.');
    let length = rest.iter().take_while(in_name).count();
    let behind = rest.get(length)?;
    let mut inside = rest[length..].iter().take_while(|&&byte| byte != b'}');
    let is_set = *behind == b'[' && inside.any(|&byte| byte == b']');
    let braces = rest[length..].starts_with(b"${");
    (braces || (NEVER.contains(behind) && !is_set)).then_some(length)
}

/// How many single quotes stand as text in the words between the braces.
fn quotes_in(parameter: &Parameter) -> usize {
    let in_part = |part: &Part| match part {
        Part::Literal { bytes, .. } => {
            let escaped = bytes.windows(2).filter(|two| two == b"\\'").count();
            bytes.iter().filter(|&&byte| byte == b'\'').count() - escaped
        }
        Part::Parameter(parameter) if parameter.braced => quotes_in(parameter),
        _ => 0,
    };
    parameter.words().into_iter().flat_map(|word| &word.parts).map(in_part).sum()
}
