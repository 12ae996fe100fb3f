//! One level of quotes taken out of a value: zsh's `${(Q)x}` and `${x:Q}` (observed in zsh 5.9).
//!
//! The value is read like the inside of a word: quotes and backslashes go, commands and `$[...]` stay as they are
//! written. A value whose quotes do not pair stays whole.

use std::borrow::Cow;

use crate::dialect::Dialect;
use crate::source::SourceId;
use crate::syntax::{Parser, decode_escapes};

/// A value without its quotes.
pub(super) fn dequoted<'a>(value: &'a [u8], dialect: &Dialect) -> Cow<'a, [u8]> {
    if !value.iter().any(|byte| b"\\'\"`$".contains(byte)) {
        return value.into();
    }
    let mut reader = Reader { value, at: 0, out: Vec::with_capacity(value.len()), dialect };
    reader.bare().map_or(value.into(), |()| reader.out.into())
}

struct Reader<'a> {
    value: &'a [u8],
    at: usize,
    out: Vec<u8>,
    dialect: &'a Dialect,
}

impl Reader<'_> {
    fn next(&mut self) -> Option<u8> {
        let byte = self.value.get(self.at).copied()?;
        self.at += 1;
        Some(byte)
    }

    fn peek(&self) -> Option<u8> {
        self.value.get(self.at).copied()
    }

    /// Outside quotes, up to the end. `None` where something is never closed.
    fn bare(&mut self) -> Option<()> {
        while let Some(byte) = self.next() {
            match byte {
                b'\\' => match self.next() {
                    Some(b'\n') | None => {}
                    Some(escaped) => self.out.push(escaped),
                },
                b'\'' => self.single()?,
                b'"' => self.double()?,
                b'`' => self.backquotes(b"`\\$")?,
                b'$' if self.peek() == Some(b'\'') => self.ansi_c()?,
                b'$' => self.dollar()?,
                byte => self.out.push(byte),
            }
        }
        Some(())
    }

    fn single(&mut self) -> Option<()> {
        loop {
            match self.next()? {
                b'\'' if self.dialect.doubled_quote_is_quote && self.peek() == Some(b'\'') => {
                    self.at += 1;
                    self.out.push(b'\'');
                }
                b'\'' => return Some(()),
                byte => self.out.push(byte),
            }
        }
    }

    fn ansi_c(&mut self) -> Option<()> {
        let start = self.at + 1;
        self.at = start;
        loop {
            match self.next()? {
                b'\\' => drop(self.next()?),
                b'\'' => break,
                _ => {}
            }
        }
        let body = &self.value[start..self.at - 1];
        self.out.extend(decode_escapes(body, self.dialect.dollar_escapes));
        Some(())
    }

    /// Between double quotes, where those inside `${...}` begin further ones.
    fn double(&mut self) -> Option<()> {
        // How many braces are open in each of the quotes.
        let mut braces = vec![0usize];
        while let Some(open) = braces.last_mut() {
            match self.next()? {
                b'\\' => match self.next()? {
                    b'\n' => {}
                    b'}' if *open > 0 => self.out.push(b'}'),
                    byte @ (b'$' | b'`' | b'"' | b'\\') => self.out.push(byte),
                    byte => self.out.extend([b'\\', byte]),
                },
                b'"' if *open > 0 => braces.push(0),
                b'"' => drop(braces.pop()),
                b'}' => {
                    *open = open.saturating_sub(1);
                    self.out.push(b'}');
                }
                b'`' => self.backquotes(b"`\\$\"")?,
                b'$' => {
                    *open += usize::from(self.peek() == Some(b'{'));
                    self.dollar()?;
                }
                byte => self.out.push(byte),
            }
        }
        Some(())
    }

    /// A command between backquotes, in which a backslash goes before some characters.
    fn backquotes(&mut self, escapable: &[u8]) -> Option<()> {
        self.out.push(b'`');
        loop {
            match self.next()? {
                b'\\' => match self.next()? {
                    b'\n' => {}
                    byte if escapable.contains(&byte) => self.out.push(byte),
                    byte => self.out.extend([b'\\', byte]),
                },
                b'`' => break,
                byte => self.out.push(byte),
            }
        }
        self.out.push(b'`');
        Some(())
    }

    /// Behind a dollar sign: what is in parentheses or brackets stays as it is written.
    fn dollar(&mut self) -> Option<()> {
        let start = self.at - 1;
        match self.peek() {
            Some(b'(') => {
                let rest = &self.value[start..];
                let source = SourceId::MAIN;
                let length = Parser::new(rest, source, self.dialect).substitution_length()?;
                self.at = start + length;
            }
            Some(b'[') => {
                let mut open = 0usize;
                loop {
                    match self.next()? {
                        b'[' => open += 1,
                        b']' if open == 1 => break,
                        b']' => open -= 1,
                        b'\\' => drop(self.next()?),
                        _ => {}
                    }
                }
            }
            _ => {}
        }
        self.out.extend_from_slice(&self.value[start..self.at]);
        Some(())
    }
}
