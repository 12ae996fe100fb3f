//! Words of C: names, numbers, punctuation, and strings with their escapes decoded (C11 6.4).

use crate::kernel::call::CallError;
use crate::lineage::{Origin, Rule};
use crate::source::{SourceId, Span};
use crate::text::{Standing, Text};

/// A word of C.
#[derive(Clone, Debug)]
pub struct Token {
    /// What it is.
    pub kind: TokenKind,
    /// Where it stands.
    pub span: Span,
}

/// Kinds of words.
#[derive(Clone, Debug)]
pub enum TokenKind {
    /// An identifier or a keyword.
    Name(String),
    /// A number, as written.
    Number(String),
    /// A string, decoded.
    String(Text),
    /// A character constant, as written.
    Character,
    /// One character of punctuation.
    Sign(u8),
    /// The end of the text.
    End,
}

impl Token {
    /// Whether this is a certain character of punctuation.
    pub fn is(&self, sign: u8) -> bool {
        matches!(self.kind, TokenKind::Sign(one) if one == sign)
    }

    /// The name, if it is one.
    pub fn name(&self) -> Option<&str> {
        match &self.kind {
            TokenKind::Name(name) => Some(name),
            _ => None,
        }
    }
}

/// The words of a text; adjacent strings are one.
///
/// # Errors
/// A string, character or comment without an end; an escape that C does not know.
pub fn tokens(bytes: &[u8], source: SourceId) -> Result<Vec<Token>, CallError> {
    let mut reader = Reader { bytes, source, at: 0 };
    let mut all: Vec<Token> = Vec::new();
    loop {
        reader.blanks()?;
        let token = reader.token()?;
        match (&token.kind, all.last_mut()) {
            (TokenKind::String(more), Some(Token { kind: TokenKind::String(text), span })) => {
                text.push_text(more);
                span.end = token.span.end;
            }
            (TokenKind::End, _) => {
                all.push(token);
                return Ok(all);
            }
            _ => all.push(token),
        }
    }
}

struct Reader<'a> {
    bytes: &'a [u8],
    source: SourceId,
    at: usize,
}

impl Reader<'_> {
    fn span(&self, start: usize) -> Span {
        Span::new(self.source, start, self.at)
    }

    fn rest(&self) -> &[u8] {
        &self.bytes[self.at..]
    }

    /// White space, comments and continued lines.
    fn blanks(&mut self) -> Result<(), CallError> {
        loop {
            match self.rest() {
                [byte, ..] if byte.is_ascii_whitespace() || *byte == 0x0b => self.at += 1,
                [b'\\', b'\n', ..] => self.at += 2,
                [b'/', b'/', ..] => {
                    let line = self.rest().iter().position(|&byte| byte == b'\n');
                    self.at += line.unwrap_or(self.rest().len());
                }
                [b'/', b'*', ..] => {
                    let start = self.at;
                    let Some(end) = self.rest().windows(2).skip(2).position(|two| two == b"*/")
                    else {
                        self.at += 2;
                        let message = "this comment is never closed";
                        return Err(CallError::new(message, self.span(start), "close it with */"));
                    };
                    self.at += end + 4;
                }
                _ => return Ok(()),
            }
        }
    }

    fn token(&mut self) -> Result<Token, CallError> {
        let start = self.at;
        let is_word = |byte: &u8| byte.is_ascii_alphanumeric() || *byte == b'_';
        let kind = match self.rest() {
            [] => TokenKind::End,
            [b'"', ..] => TokenKind::String(self.string()?),
            [b'\'', ..] => {
                self.character()?;
                TokenKind::Character
            }
            [first, ..] if is_word(first) => {
                let length = self.rest().iter().take_while(|byte| is_word(byte)).count();
                let word = String::from_utf8_lossy(&self.rest()[..length]).into_owned();
                let is_number = first.is_ascii_digit();
                self.at += length;
                if self.rest().first() == Some(&b'"') {
                    let message = format!("{word}\"...\" is no string of plain characters");
                    let hint = "the exec functions take plain strings";
                    return Err(CallError::new(message, self.span(start), hint));
                }
                if is_number { TokenKind::Number(word) } else { TokenKind::Name(word) }
            }
            [sign, ..] => {
                let sign = *sign;
                self.at += 1;
                TokenKind::Sign(sign)
            }
        };
        Ok(Token { kind, span: self.span(start) })
    }

    fn character(&mut self) -> Result<(), CallError> {
        let start = self.at;
        self.at += 1;
        loop {
            match self.rest() {
                [b'\'', ..] => {
                    self.at += 1;
                    return Ok(());
                }
                [b'\\', _, ..] => self.at += 2,
                [] | [b'\n', ..] => {
                    let message = "this character constant is never closed";
                    return Err(CallError::new(message, self.span(start), "close it with '"));
                }
                _ => self.at += 1,
            }
        }
    }

    fn string(&mut self) -> Result<Text, CallError> {
        let start = self.at;
        let mut text = Text::new();
        self.at += 1;
        loop {
            let from = self.at;
            match self.rest() {
                [b'"', ..] => {
                    self.at += 1;
                    if text.is_empty() {
                        let origin = Origin::new(Rule::Literal, self.span(start));
                        text.push(b"", Standing::Quoted, &origin);
                    }
                    return Ok(text);
                }
                [] | [b'\n', ..] => {
                    let message = "this string is never closed";
                    return Err(CallError::new(message, self.span(start), "close it with \""));
                }
                [b'\\', b'\n', ..] => self.at += 2,
                [b'\\', ..] => {
                    let bytes = self.escape()?;
                    let origin = Origin::new(Rule::Quoted, self.span(from));
                    text.push(&bytes, Standing::Quoted, &origin);
                }
                rest => {
                    let plain = |byte: &&u8| !matches!(byte, b'"' | b'\\' | b'\n');
                    let length = rest.iter().take_while(plain).count();
                    self.at += length;
                    let origin = Origin::new(Rule::Literal, self.span(from));
                    let bytes = &self.bytes[from..self.at];
                    text.push(bytes, Standing::Quoted, &origin);
                }
            }
        }
    }

    /// An escape (C11 6.4.4.4, and 6.4.3 for `\u`).
    fn escape(&mut self) -> Result<Vec<u8>, CallError> {
        let start = self.at;
        let letter = self.rest().get(1).copied().unwrap_or(0);
        self.at += 2;
        let one = match letter {
            b'n' => b'\n',
            b't' => b'\t',
            b'r' => b'\r',
            b'a' => 7,
            b'b' => 8,
            b'f' => 12,
            b'v' => 11,
            b'\\' | b'"' | b'\'' | b'?' => letter,
            b'0'..=b'7' => {
                self.at -= 1;
                let value = self.digits(8, 3);
                return self.byte(value, start);
            }
            b'x' => {
                let value = self.digits(16, usize::MAX);
                return self.byte(value, start);
            }
            b'u' | b'U' => {
                let count = if letter == b'u' { 4 } else { 8 };
                let before = self.at;
                let value = self.digits(16, count).filter(|_| self.at - before == count);
                let character = value.and_then(char::from_u32);
                let Some(character) = character else {
                    let message = format!("\\{} wants {count} digits", char::from(letter));
                    return Err(CallError::new(message, self.span(start), "write \\u00e4"));
                };
                return Ok(character.to_string().into_bytes());
            }
            _ => {
                self.at = self.at.min(self.bytes.len());
                let message = "C knows no such escape";
                let hint = "write \\\\ for a backslash, \\x41 or \\101 for a byte";
                return Err(CallError::new(message, self.span(start), hint));
            }
        };
        Ok(vec![one])
    }

    /// At most so many digits; nothing if there are none or the number is very large.
    fn digits(&mut self, base: u32, most: usize) -> Option<u32> {
        let digit = |byte: &u8| char::from(*byte).to_digit(base);
        let found: Vec<u32> = self.rest().iter().map_while(digit).take(most).collect();
        self.at += found.len();
        let value =
            found.iter().try_fold(0u32, |sum, digit| sum.checked_mul(base)?.checked_add(*digit));
        value.filter(|_| !found.is_empty())
    }

    fn byte(&self, value: Option<u32>, start: usize) -> Result<Vec<u8>, CallError> {
        match value.and_then(|value| u8::try_from(value).ok()) {
            Some(byte) => Ok(vec![byte]),
            None => {
                let message = "this escape is no byte";
                let hint =
                    "a byte is \\0 to \\377, or \\x0 to \\xff; \\x takes all digits behind it";
                Err(CallError::new(message, self.span(start), hint))
            }
        }
    }
}
