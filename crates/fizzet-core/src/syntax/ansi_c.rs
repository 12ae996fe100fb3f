//! `$'...'`: escapes as in C (POSIX 2024 XCU 2.2.4; the details observed in each shell, see
//! [`crate::dialect::DollarEscapes`]).

use crate::dialect::{Controls, DollarEscapes, LargeOctal, NoDigits, Nul};
use crate::syntax::ast::{Part, Word};
use crate::syntax::cursor::{Made, Parsed, Parser, Segment};
use crate::syntax::within::Within;

/// How octal numbers are written behind a backslash.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(crate) enum Octal {
    /// With up to three digits.
    Bare,
    /// Behind a 0, which is not one of the digits.
    BehindZero,
}

/// Decodes what stands between `$'` and `'`.
pub(crate) fn decode(body: &[u8], rules: &DollarEscapes) -> Vec<u8> {
    decode_value(body, rules, (Octal::Bare, false))
}

/// Decodes the escapes in a value; `carets`: also `^X`.
pub(crate) fn decode_value(
    body: &[u8],
    rules: &DollarEscapes,
    (octal, carets): (Octal, bool),
) -> Vec<u8> {
    let mut decoder = Decoder::new(body, rules);
    decoder.octal = octal;
    while let Some(byte) = decoder.next() {
        let goes_on = match byte {
            b'\\' => decoder.escape(),
            b'^' if carets && decoder.at < body.len() => decoder.modified(b'C'),
            byte => {
                decoder.out.push(byte);
                true
            }
        };
        if !goes_on {
            break;
        }
    }
    decoder.out
}

/// How often what a text gave may be read again inside itself: each time doubles the work.
const MAX_READ_AGAIN: u32 = 6;

impl Parser<'_> {
    /// A word between `start` and here as it reads with what each `$'...'` in it gives in its place: `None` where
    /// that makes no difference. What cannot be read is told within, as it is found late.
    pub(super) fn word_with_ansi_c(
        &mut self,
        start: usize,
        word: &Word,
    ) -> Parsed<Option<Parsed<Word>>> {
        let is_active = |part: &Part| match part {
            Part::AnsiC { bytes, .. } => bytes.iter().any(|byte| b"\"'`$\\".contains(byte)),
            _ => false,
        };
        let is_found = word.parts.iter().any(is_active) && self.is_as_written(start, self.pos);
        if !is_found || self.read_again >= MAX_READ_AGAIN {
            return Ok(None);
        }
        let mut segments = vec![self.segment_at(start, 0)];
        let (mut text, mut at) = (Vec::new(), start);
        for part in &word.parts {
            let Part::AnsiC { span, .. } = part else { continue };
            let place = |offset: u32| start + (offset - word.span.start) as usize;
            text.extend_from_slice(&self.text[at..place(span.start)]);
            let body = place(span.start) + 2;
            at = place(span.end);
            for (made, from, to) in pieces(&self.text[body..at - 1], self.dialect.dollar_escapes) {
                let span = self.span(body + from, body + to);
                let is_written = made == self.text[body + from..body + to];
                segments.push(match is_written {
                    true => Segment::written(text.len(), span),
                    false => Segment::made(text.len(), span, Made::Escape),
                });
                text.extend(made);
            }
            segments.push(self.segment_at(at, text.len()));
        }
        text.extend_from_slice(&self.text[at..self.pos]);
        let end = text.len();
        text.push(b'}');
        let again = self.deeper(|outer| {
            let mut inner = outer.inner(text, segments);
            inner.read_again += 1;
            Ok(inner.word(Within::BraceQuoted).map(|word| (word, inner.pos)))
        })?;
        match again {
            Ok((word, at)) if at == end => Ok(Some(Ok(word))),
            // A brace that came so ends the operation.
            Ok((_, at)) if at < end => Ok(None),
            // One before it took the brace that ends it.
            Ok(_) => Ok(Some(Err(self.unclosed(start, self.pos - start, "${", "}")))),
            Err(error) if error.is_limit() => Err(error),
            Err(error) => Ok(Some(Err(error))),
        }
    }
}

/// What each stretch of such a body gives, and where it stands: an escape, or what is between two.
fn pieces(body: &[u8], rules: &DollarEscapes) -> Vec<(Vec<u8>, usize, usize)> {
    let mut decoder = Decoder::new(body, rules);
    let mut pieces = Vec::new();
    while decoder.at < body.len() {
        let from = decoder.at;
        let plain =
            body[from..].iter().position(|&byte| byte == b'\\').unwrap_or(body.len() - from);
        if plain > 0 {
            decoder.at += plain;
            pieces.push((body[from..from + plain].to_vec(), from, from + plain));
            continue;
        }
        decoder.at += 1;
        let goes_on = decoder.escape();
        pieces.push((std::mem::take(&mut decoder.out), from, decoder.at));
        if !goes_on {
            break;
        }
    }
    pieces
}

struct Decoder<'a> {
    body: &'a [u8],
    at: usize,
    rules: &'a DollarEscapes,
    octal: Octal,
    out: Vec<u8>,
    /// In how many escapes that change what follows this one stands.
    nested: u32,
}

/// How many escapes that change what follows may stand before one another.
const MAX_NESTED: u32 = 16;

impl<'a> Decoder<'a> {
    fn new(body: &'a [u8], rules: &'a DollarEscapes) -> Decoder<'a> {
        let out = Vec::with_capacity(body.len());
        Decoder { body, at: 0, rules, octal: Octal::Bare, out, nested: 0 }
    }

    fn next(&mut self) -> Option<u8> {
        let byte = self.body.get(self.at).copied()?;
        self.at += 1;
        Some(byte)
    }

    /// What follows a backslash; false when it ends the text.
    fn escape(&mut self) -> bool {
        let Some(letter) = self.next() else {
            self.out.push(b'\\');
            return true;
        };
        match (letter, self.octal) {
            (b'0'..=b'7', Octal::Bare) => {
                self.at -= 1;
                return self.octal();
            }
            (b'0', Octal::BehindZero) => return self.octal(),
            _ => {}
        }
        if !self.rules.letters.as_bytes().contains(&letter) {
            if self.rules.keeps_unknown {
                self.out.push(b'\\');
            }
            self.out.push(letter);
            return true;
        }
        let simple = match letter {
            b'a' => 7,
            b'b' => 8,
            b'e' | b'E' => 27,
            b'f' => 12,
            b'n' => b'\n',
            b'r' => b'\r',
            b't' => b'\t',
            b'v' => 11,
            b'x' => return self.hexadecimal(),
            b'u' => return self.character(4),
            b'U' => return self.character(8),
            b'c' => return self.control(),
            b'C' | b'M' => return self.modified(letter),
            other => other,
        };
        self.out.push(simple);
        true
    }

    fn octal(&mut self) -> bool {
        let value = self.digits(8, 3).unwrap_or(0);
        match self.rules.large_octal {
            LargeOctal::Stops if value > 0xff => self.byte(value / 8),
            LargeOctal::Character if value > 0xff => self.code(value & 0xff),
            _ => self.byte(value & 0xff),
        }
    }

    fn hexadecimal(&mut self) -> bool {
        if self.rules.braced_hexadecimal && self.body.get(self.at) == Some(&b'{') {
            self.at += 1;
            let value = self.digits(16, 8).unwrap_or(0);
            self.at += usize::from(self.body.get(self.at) == Some(&b'}'));
            let wide = self.rules.long_hexadecimal && value > 0xff;
            return if wide { self.code(value) } else { self.byte(value & 0xff) };
        }
        let start = self.at;
        let most = if self.rules.long_hexadecimal { usize::MAX } else { 2 };
        match self.digits(16, most) {
            None => self.without_digits(b'x'),
            Some(value)
                if self.at - start > 2 && (value > 0xff || !self.rules.narrow_characters) =>
            {
                self.code(value)
            }
            Some(value) => self.byte(value & 0xff),
        }
    }

    fn character(&mut self, most: usize) -> bool {
        let letter = if most == 4 { b'u' } else { b'U' };
        match self.digits(16, most) {
            None => self.without_digits(letter),
            Some(value) => self.code(value),
        }
    }

    fn without_digits(&mut self, letter: u8) -> bool {
        match self.rules.no_digits {
            NoDigits::Text => self.out.extend_from_slice(&[b'\\', letter]),
            NoDigits::Letter => self.out.push(letter),
            NoDigits::Nul => return self.nul(),
        }
        true
    }

    /// `\cX`, and in some shells `\CX`.
    fn control(&mut self) -> bool {
        let controls = self.rules.controls;
        if controls == Controls::TurnedBit {
            return self.changed(|next| next.to_ascii_uppercase() ^ 0x40);
        }
        match self.next() {
            Some(b'?') => self.byte(127),
            Some(next) if controls == Controls::ClearedBits => self.byte(u32::from(next & !0x60)),
            Some(b'\\') if self.body.get(self.at) == Some(&b'\\') => {
                self.at += 1;
                self.byte(u32::from(b'\\' & 31))
            }
            Some(next) => self.byte(u32::from(next & 31)),
            None => self.without_digits(b'c'),
        }
    }

    /// `\C-x` and `\M-x`.
    fn modified(&mut self, letter: u8) -> bool {
        let dashed = self.body.get(self.at) == Some(&b'-');
        if self.rules.controls == Controls::TurnedBit {
            return match letter {
                b'C' => self.control(),
                _ => {
                    self.at += usize::from(dashed);
                    self.out.push(if dashed { 0x1b } else { letter });
                    true
                }
            };
        }
        self.at += usize::from(dashed);
        self.changed(|next| match (letter, next) {
            (b'C', b'?') => 127,
            // A bit that another escape has set stays.
            (b'C', next) => next & 0x9f,
            (_, next) => next | 0x80,
        })
    }

    /// Another form of the next byte, or of the first one that an escape there stands for; NUL is that of nothing.
    fn changed(&mut self, change: impl Fn(u8) -> u8) -> bool {
        let mut made = match self.next() {
            None => return true,
            Some(b'\\') if self.at < self.body.len() && self.nested < MAX_NESTED => {
                let before = std::mem::take(&mut self.out);
                self.nested += 1;
                self.escape();
                self.nested -= 1;
                std::mem::replace(&mut self.out, before)
            }
            Some(next) => vec![next],
        }
        .into_iter();
        let goes_on = self.byte(change(made.next().unwrap_or(0)).into());
        self.out.extend(made);
        goes_on
    }

    fn byte(&mut self, value: u32) -> bool {
        match value {
            0 => self.nul(),
            value => {
                self.out.push(value as u8);
                true
            }
        }
    }

    fn nul(&mut self) -> bool {
        match self.rules.nul {
            Nul::EndsText => return false,
            Nul::Vanishes => {}
            Nul::Stays => self.out.push(0),
        }
        true
    }

    /// A character by its code, in UTF-8; codes that no character has are encoded likewise.
    fn code(&mut self, code: u32) -> bool {
        let code = match code {
            0xffff_ff00.. if self.rules.narrow_characters => return self.byte(code & 0xff),
            0x1_0000.. if self.rules.narrow_characters => 0xfffd,
            code => code,
        };
        if code < 0x80 {
            return self.byte(code);
        }
        match self.rules.tells_numbers {
            true => self.out.extend(numbered(code)),
            false => self.out.extend(encoded(code)),
        }
        true
    }

    /// Up to `most` digits of a base.
    fn digits(&mut self, base: u32, most: usize) -> Option<u32> {
        let start = self.at;
        let mut value = 0u32;
        while self.at - start < most
            && let Some(digit) =
                self.body.get(self.at).and_then(|&byte| char::from(byte).to_digit(base))
        {
            value = value.wrapping_mul(base).wrapping_add(digit);
            self.at += 1;
        }
        (self.at > start).then_some(value)
    }
}

/// A character that the locale does not have, as the escape that its number stands in (observed in bash 5.2: `LC_ALL=C`;
/// `printf '\u00e9\U1f600'`).
pub(crate) fn numbered(code: u32) -> Vec<u8> {
    match code {
        0..0x1_0000 => format!("\\u{code:04X}").into_bytes(),
        0x1_0000..0x8000_0000 => format!("\\U{code:08X}").into_bytes(),
        _ => Vec::new(),
    }
}

/// The bytes of a character by its number, as UTF-8 was first meant: up to 31 bits, surrogates too. A larger number
/// has none (observed in bash 5.2 and ksh93u+m: `printf '\\ud800'`, `printf '\\Uffffffff'`).
pub(crate) fn encoded(code: u32) -> Vec<u8> {
    let tails = match code {
        0..0x80 => return vec![code as u8],
        0x80..0x800 => 1,
        0x800..0x1_0000 => 2,
        0x1_0000..0x20_0000 => 3,
        0x20_0000..0x400_0000 => 4,
        0x400_0000..0x8000_0000 => 5,
        _ => return Vec::new(),
    };
    let mark = !(0xffu32 >> (tails + 1)) & 0xff;
    let first = (mark | (code >> (6 * tails)) & 0xff) as u8;
    let rest = (0..tails).rev().map(|tail| (0x80 | (code >> (6 * tail)) & 0x3f) as u8);
    std::iter::once(first).chain(rest).collect()
}
