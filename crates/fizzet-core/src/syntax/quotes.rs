//! Backslashes and quotes (POSIX XCU 2.2).

use crate::dialect::{DocumentQuotes, LastBackslash};
use crate::syntax::ast::Part;
use crate::syntax::cursor::{Parsed, Parser, is_meta};
use crate::syntax::error::SyntaxErrorKind;
use crate::syntax::within::Within;
use crate::syntax::words::{Active, begins_expansion};

impl Parser<'_> {
    /// What a backslash stands for.
    pub(super) fn backslash(&mut self, within: Within) -> Active {
        let start = self.pos;
        let Some(&next) = self.text.get(start + 1) else { return self.last_backslash(within) };
        if next == b'\n' {
            self.pos += 2;
            if within != Within::Double || !self.dialect.newlines_end_quotes {
                return Active::Removed;
            }
            let bytes = self.text[start + 1..self.pos].into();
            return Active::Part(Part::Escaped { bytes, span: self.span(start, self.pos) });
        }
        use DocumentQuotes::{BackslashOutside, BackslashQuotes, SinglesToo, Unescaped};
        let document = self.in_document.then_some(self.dialect.document_quotes);
        let escapes = match within {
            Within::Double if self.in_inner_quotes => true,
            Within::Double if matches!(document, Some(BackslashQuotes | SinglesToo)) => true,
            Within::Double if document == Some(BackslashOutside) => {
                matches!(next, b'$' | b'`' | b'\\')
            }
            Within::BraceQuoted if document == Some(BackslashOutside) => true,
            Within::BraceQuoted if document == Some(Unescaped) => {
                matches!(next, b'$' | b'`' | b'\\' | b'}')
            }
            Within::Double if self.in_quotes_in_braces && next == b'}' => true,
            Within::Double => matches!(next, b'$' | b'`' | b'"' | b'\\'),
            Within::Document => matches!(next, b'$' | b'`' | b'\\'),
            Within::Key => b"$`\\[](){}".contains(&next),
            Within::BraceQuoted => matches!(next, b'$' | b'`' | b'"' | b'\\' | b'}'),
            Within::Arithmetic if self.in_arithmetic_command => true,
            Within::Offset | Within::QuotingOffset if next == b'}' => {
                self.dialect.escaped_brace_ends_no_offset || !within.is_quoted()
            }
            within if within.is_arithmetic() && self.dialect.expressions_keep_escaped_quotes => {
                matches!(next, b'$' | b'`' | b'\\')
            }
            Within::Expression if self.dialect.regular_escapes_spare_names && next == b'$' => {
                !self.text.get(start + 2).is_some_and(|&byte| begins_expansion(byte))
            }
            within if within.is_quoted() => matches!(next, b'$' | b'`' | b'"' | b'\\'),
            _ => true,
        };
        if !escapes && next == b'"' && document == Some(BackslashOutside) {
            // The backslash stays, and the quote behind it ends nothing.
            self.pos += 2;
            let bytes = self.text[start..self.pos].into();
            return Active::Part(Part::Literal { bytes, span: self.span(start, self.pos) });
        }
        if !escapes {
            return Active::Itself;
        }
        self.pos += 2;
        // The whole of a character is quoted, so that a pattern never sees half of it.
        if next >= 0xc0 {
            while self.raw().is_some_and(|byte| (0x80..0xc0).contains(&byte)) {
                self.pos += 1;
            }
        }
        let bytes = self.text[start + 1..self.pos].into();
        Active::Part(Part::Escaped { bytes, span: self.span(start, self.pos) })
    }

    /// A backslash behind which nothing comes.
    fn last_backslash(&mut self, within: Within) -> Active {
        let behind_text = self.pos > 0 && !is_meta(self.text[self.pos - 1]);
        let vanishes = match self.dialect.last_backslash {
            _ if within != Within::Word => false,
            LastBackslash::Stays => false,
            LastBackslash::VanishesBehindText => behind_text,
            LastBackslash::Vanishes => true,
            LastBackslash::Quotes => {
                let start = self.pos;
                self.pos += 1;
                let span = self.span(start, self.pos);
                return Active::Part(Part::Escaped { bytes: [].into(), span });
            }
        };
        if !vanishes {
            return Active::Itself;
        }
        self.pos += 1;
        Active::Removed
    }

    /// `'...'`
    pub(super) fn single_quoted(&mut self) -> Parsed<Part> {
        let start = self.pos;
        let body = &self.text[start + 1..];
        let Some(length) = body.iter().position(|&byte| byte == b'\'') else {
            if self.quotes_run_on {
                let bytes = body.into();
                self.pos = self.text.len();
                return Ok(Part::Single { bytes, span: self.span(start, self.pos) });
            }
            return Err(self.unclosed(start, 1, "'", "'"));
        };
        let mut bytes = body[..length].to_vec();
        let end = start + 1 + length;
        self.pos = end + 1;
        while self.dialect.doubled_quote_is_quote && self.text.get(self.pos) == Some(&b'\'') {
            let rest = &self.text[self.pos + 1..];
            let Some(length) = rest.iter().position(|&byte| byte == b'\'') else {
                return Err(self.unclosed(self.pos, 1, "'", "'"));
            };
            bytes.extend_from_slice(&self.text[self.pos..=self.pos + length]);
            self.pos += length + 2;
        }
        if self.dialect.newlines_end_quotes && bytes.contains(&b'\n') {
            bytes = self.escaped_newlines(&bytes, start, "'")?;
        }
        let span = self.span(start, self.pos);
        if self.same_source(start + 1, self.pos) < self.pos && bytes.len() == length {
            // The quotes begin in the text of an alias and end behind it: each piece has a place of its own.
            let mut parts = Vec::new();
            self.flush(&mut parts, start + 1, end);
            return Ok(Part::Double { parts, span });
        }
        Ok(Part::Single { bytes: bytes.into(), span })
    }

    /// A text between quotes without the backslashes before its newlines; one that has none ends the quotes.
    fn escaped_newlines(&self, bytes: &[u8], start: usize, quote: &'static str) -> Parsed<Vec<u8>> {
        let mut kept = Vec::with_capacity(bytes.len());
        for &byte in bytes {
            if byte == b'\n' && kept.pop() != Some(b'\\') {
                return Err(self.unclosed(start, 1, quote, quote));
            }
            kept.push(byte);
        }
        Ok(kept)
    }

    /// `"..."`, with the place at the quote; the span begins at `start`.
    pub(super) fn double_quoted(&mut self, start: usize) -> Parsed<Part> {
        let quote = self.pos;
        self.pos += 1;
        let is_outer = self.outer_quote.is_none();
        self.outer_quote.get_or_insert(quote);
        let parts = self.parts(Within::Double);
        let closes = self.raw() == Some(b'"') || self.is_cut();
        self.pos += usize::from(self.raw().is_some());
        if is_outer {
            self.outer_quote = None;
            self.text = self.whole_text.take().unwrap_or_else(|| std::mem::take(&mut self.text));
        }
        let parts = parts?;
        if !closes {
            return Err(self.unclosed(quote, 1, "\"", "\""));
        }
        Ok(Part::Double { parts, span: self.span(start, self.pos) })
    }

    /// `"..."` in the word of an operation between double quotes, where it is outside of quotes: single quotes in
    /// it quote (observed in ksh93u+m: `echo "${x-"a 'b c'"}"`).
    pub(super) fn quotes_within_quotes(&mut self, start: usize) -> Parsed<Part> {
        // What is inside is read once to find its end, and only then by its own rules.
        let measures = std::mem::replace(&mut self.measures_quotes, true);
        let part = self.double_quoted(start);
        self.measures_quotes = measures;
        let quotes = match &part {
            Ok(_) => self.text[start..self.pos].contains(&b'\''),
            Err(error) => matches!(error.kind, SyntaxErrorKind::Unclosed { opener: "'", .. }),
        };
        if measures || !quotes {
            return part;
        }
        self.pos = start;
        self.run_on(start)
    }
}
