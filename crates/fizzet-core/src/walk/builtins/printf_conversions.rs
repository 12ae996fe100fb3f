//! The conversions of `printf`: what each letter makes of its argument.

use crate::dialect::{DollarQuoting, PrintfQuoting};
use crate::expand::backslashed as backslashed_for_zsh;
use crate::expand::quoting::{in_dollar_quotes, requoted_for};
use crate::hexadecimal::{HexDigits, real_in_hexadecimal};
use crate::real::Format;
use crate::stop::Status;
use crate::text::{Standing, Text};
use crate::walk::builtins::escapes::decoded;
use crate::walk::builtins::printf::{Printing, Specification};

impl Printing<'_> {
    pub(super) fn convert(&mut self, letter: u8, one: &Specification) -> Option<bool> {
        match letter {
            b'%' => self.put(b"%"),
            b's' => {
                let text = self.next().unwrap_or_default();
                let end = self.bytes_of(&text, one.precision.unwrap_or(usize::MAX));
                self.padded(&text.slice(0, end), one);
            }
            b'c' => {
                let text = self.next().unwrap_or_default();
                let first = match self.walker.state.dialect.printf_shows_characters {
                    true => crate::text::next_character(text.bytes(), true).map_or(0, |one| one.1),
                    false => text.len().min(1),
                };
                // Of nothing the first character is the byte 0 that ends it.
                let nothing = || Text::from_bytes(*b"\0", Standing::Quoted, self.origin.clone());
                let shown = if first == 0 { nothing() } else { text.slice(0, first) };
                let times = match self.walker.state.dialect.printf_repeats_characters {
                    true => one.precision.unwrap_or(1).max(1),
                    false => 1,
                };
                let mut all = shown.clone();
                (1..times).for_each(|_| all.push_text(&shown));
                self.padded(&all, one);
            }
            b'b' => {
                let text = self.next().unwrap_or_default();
                let letters = self.walker.state.dialect.argument_escapes;
                let (made, goes_on) = decoded(&text, &self.origin, letters, self.large_octal());
                let end = self.bytes_of(&made, one.precision.unwrap_or(usize::MAX));
                self.padded(&made.slice(0, end), one);
                return Some(goes_on);
            }
            b'q' if self.walker.state.dialect.printf_quotes => {
                let quoted = match self.next() {
                    Some(text) => self.quoted(text.bytes()),
                    None if self.walker.state.dialect.printf_quotes_nothing => Vec::new(),
                    None => self.quoted(b""),
                };
                let quoted = Text::from_bytes(quoted, Standing::Quoted, self.origin.clone());
                let end = self.bytes_of(&quoted, one.precision.unwrap_or(usize::MAX));
                self.padded_to(&quoted.slice(0, end), end, one);
            }
            b'Q' if self.walker.state.dialect.printf_cuts_before_quoting => {
                let text = self.next().unwrap_or_default();
                let end = self.bytes_of(&text, one.precision.unwrap_or(usize::MAX));
                let quoted = self.quoted(&text.bytes()[..end]);
                let quoted = Text::from_bytes(quoted, Standing::Quoted, self.origin.clone());
                self.padded(&quoted, one);
            }
            b'n' if self.walker.state.dialect.printf_tells_length => {
                return Some(self.tell_length());
            }
            b'T' => {
                let shown = self.time(one.format.as_deref().unwrap_or("%X"));
                let text = Text::from_bytes(shown, Standing::Quoted, self.origin.clone());
                self.padded(&text, one);
            }
            b'a' | b'A' if let Some(style) = self.walker.state.dialect.printf_hexadecimal => {
                self.hexadecimal_real(letter, style, one);
            }
            b'F' if !self.walker.state.dialect.printf_upper_f => return None,
            b'f' | b'F' | b'e' | b'E' | b'g' | b'G' => self.real(letter, one),
            b'i' if self.walker.state.dialect.printf_i_needs_argument && self.rest.is_empty() => {
                return None;
            }
            b'd' | b'i' => {
                let value = self.next_number(true);
                let sign = sign_of(value < 0, one);
                self.whole_number(sign, &value.unsigned_abs().to_string(), one);
            }
            b'u' => {
                let value = self.next_number(false) as u64;
                self.whole_number("", &value.to_string(), one);
            }
            b'o' | b'x' | b'X' => self.unsigned(letter, one),
            _ => return None,
        }
        Some(true)
    }

    /// `%a` and `%A`.
    fn hexadecimal_real(&mut self, letter: u8, style: HexDigits, one: &Specification) {
        let value = self.next_real();
        let sign = sign_of(value.is_negative(), one);
        let whole = Specification { precision: None, ..one.clone() };
        match real_in_hexadecimal(value.absolute(), style, one.precision, one.alternative) {
            Some(digits) if letter == b'A' => {
                self.number(&format!("{sign}0X"), &digits.to_uppercase(), &whole);
            }
            Some(digits) => self.number(&format!("{sign}0x"), &digits, &whole),
            None => {
                let letter = if letter == b'A' { b'F' } else { b'f' };
                let digits = value.absolute().shown(plain_format(letter));
                self.number(sign, &digits, &Specification { zero: false, ..whole });
            }
        }
    }

    /// `%f`, `%e`, `%g` and their capitals.
    fn real(&mut self, letter: u8, one: &Specification) {
        let value = self.next_real();
        let dialect = &self.walker.state.dialect;
        if !value.is_finite() && dialect.printf_shows_infinity_plainly {
            let sign = if value.is_negative() { "-" } else { "" };
            let shown = value.absolute().shown(plain_format(b'f'));
            self.put(format!("{sign}{shown}").as_bytes());
            return;
        }
        let format = Format {
            letter,
            precision: one.precision.unwrap_or(6),
            keeps_zeros: one.alternative,
            halves_up: dialect.halves_up,
        };
        let mut digits = value.absolute().shown(format);
        if one.alternative && digits.starts_with(|digit: char| digit.is_ascii_digit()) {
            keep_point(&mut digits);
        }
        let sign = sign_of(value.is_negative(), one);
        let zero = one.zero && value.is_finite();
        self.number(sign, &digits, &Specification { precision: None, zero, ..one.clone() });
    }

    /// `%o`, `%x` and `%X`.
    fn unsigned(&mut self, letter: u8, one: &Specification) {
        let alternative = one.alternative && !self.shows_nothing_plainly();
        let value = self.next_number(false);
        if letter == b'o' {
            let digits = format!("{value:o}");
            // One zero is enough.
            let led =
                digits.starts_with('0') || one.precision.is_some_and(|least| least > digits.len());
            let prefix = if alternative && !led { "0" } else { "" };
            return match alternative {
                true => self.number(prefix, &digits, one),
                false => self.whole_number(prefix, &digits, one),
            };
        }
        let (digits, prefix) = match letter {
            b'x' => (format!("{value:x}"), "0x"),
            _ => (format!("{value:X}"), "0X"),
        };
        let prefixed = value != 0 || self.walker.state.dialect.printf_prefixes_zero;
        self.whole_number(if alternative && prefixed { prefix } else { "" }, &digits, one);
    }

    /// `%n`: stores how many bytes there are until here in the variable that the argument names.
    fn tell_length(&mut self) -> bool {
        let Some(name) = self.next() else { return true };
        let count = self.out.len().to_string().into_bytes();
        let text = Text::from_bytes(count, Standing::Quoted, self.origin.clone());
        let stored = self.walker.state.names_variable(name.bytes())
            && self.walker.assign_text(name.bytes(), text, self.origin.span()).is_ok();
        self.status |= Status::from(!stored);
        stored
    }

    /// How many bytes the first of a text are, counted as the shell counts.
    fn bytes_of(&self, text: &Text, count: usize) -> usize {
        match self.walker.state.dialect.printf_counts_characters {
            true => {
                let mut ends = bstr::ByteSlice::char_indices(text.bytes()).map(|(_, end, _)| end);
                match count {
                    0 => 0,
                    count => ends.nth(count - 1).unwrap_or(text.len()),
                }
            }
            false => count.min(text.len()),
        }
    }

    /// `%q`
    fn quoted(&self, value: &[u8]) -> Vec<u8> {
        let dialect = &self.walker.state.dialect;
        match dialect.printf_quoting {
            PrintfQuoting::Backslashes => backslashed(value, dialect.dollar_quoting),
            PrintfQuoting::BackslashesAlways => {
                let text = Text::from_bytes(value, Standing::Quoted, self.origin.clone());
                backslashed_for_zsh(&text).bytes().to_vec()
            }
            PrintfQuoting::Quotes => requoted_for(dialect, value),
        }
    }

    fn number(&mut self, sign: &str, digits: &str, one: &Specification) {
        let filled = match one.zero && !one.left {
            true => one.width.saturating_sub(sign.len()),
            false => 0,
        };
        let least = match one.precision {
            Some(precision) if self.walker.state.dialect.printf_fills_despite_precision => {
                precision.max(filled)
            }
            Some(precision) => precision,
            None => filled.max(1),
        };
        let zeros = "0".repeat(least.saturating_sub(digits.len()));
        let bytes = format!("{sign}{zeros}{digits}");
        let text = Text::from_bytes(bytes, Standing::Quoted, self.origin.clone());
        self.padded(&text, one);
    }

    /// A whole number, of which a 0 without any wanted digit has none.
    fn whole_number(&mut self, sign: &str, digits: &str, one: &Specification) {
        let none = digits == "0" && one.precision == Some(0);
        self.number(sign, if none { "" } else { digits }, one);
    }

    fn padded(&mut self, text: &Text, one: &Specification) {
        let length = match self.walker.state.dialect.printf_counts_characters {
            true => bstr::ByteSlice::chars(text.bytes()).count(),
            false => text.len(),
        };
        self.padded_to(text, length, one);
    }

    /// A text with blanks, as if it had this length.
    fn padded_to(&mut self, text: &Text, length: usize, one: &Specification) {
        let blanks = vec![b' '; one.width.saturating_sub(length)];
        if !one.left {
            self.put(&blanks);
        }
        self.out.push_text(text);
        if one.left {
            self.put(&blanks);
        }
    }
}

/// Puts a point behind the whole part of a real that has none.
fn keep_point(digits: &mut String) {
    if !digits.contains('.') {
        let whole = digits.find(|one: char| !one.is_ascii_digit()).unwrap_or(digits.len());
        digits.insert(whole, '.');
    }
}

/// The sign of a number, or what a conversion puts in its place.
fn sign_of(negative: bool, one: &Specification) -> &'static str {
    match negative {
        true => "-",
        false if one.plus => "+",
        false if one.blank => " ",
        false => "",
    }
}

/// A value with backslashes, as `%q` of bash prints it.
fn backslashed(value: &[u8], style: DollarQuoting) -> Vec<u8> {
    if value.is_empty() {
        return b"''".to_vec();
    }
    if style.escapes_some(value) {
        return in_dollar_quotes(style, value);
    }
    let mut out = Vec::with_capacity(value.len());
    for (at, &byte) in value.iter().enumerate() {
        let special = match byte {
            b' ' | b'!' | b'"' | b'$' | b'&' | b'\'' | b'(' | b')' | b'*' | b',' | b';' | b'<'
            | b'>' | b'?' | b'[' | b'\\' | b']' | b'^' | b'`' | b'{' | b'|' | b'}' => true,
            b'#' => at == 0,
            b'~' => at == 0 || matches!(value[at - 1], b':' | b'='),
            _ => false,
        };
        if special {
            out.push(b'\\');
        }
        out.push(byte);
    }
    out
}

/// How what has no digits behind a point is written.
fn plain_format(letter: u8) -> Format {
    Format { letter, precision: 0, keeps_zeros: false, halves_up: false }
}
