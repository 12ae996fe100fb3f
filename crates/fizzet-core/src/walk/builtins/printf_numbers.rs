//! The numbers that `printf` reads from its arguments.

use crate::dialect::PrintfReals;
use crate::expand::arithmetic;
use crate::real::Real;
use crate::stop::{Status, Stop};
use crate::text::next_character;
use crate::walk::builtins::control::leading_number;
use crate::walk::builtins::printf::Printing;
use crate::walk::builtins::reals;

impl Printing<'_> {
    /// Whether the code of a character is that of its first byte.
    fn codes_are_bytes(&self) -> bool {
        self.walker.state.dialect.printf_codes_are_bytes || !self.walker.state.utf8()
    }

    /// Notes that nothing stands behind a quote, where that is a mistake.
    fn minds_quote(&mut self, quoted: &[u8]) {
        let minds = self.walker.state.dialect.printf_minds_empty_quotes;
        self.status |= Status::from(minds && quoted.is_empty());
        let first = next_character(quoted, self.walker.state.utf8());
        let is_long = first.is_some_and(|(_, length)| length < quoted.len());
        self.status |= Status::from(is_long && self.walker.state.dialect.printf_minds_long_quotes);
    }

    pub(super) fn next_real(&mut self) -> Real {
        let extended = self.walker.state.dialect.printf_extended;
        let zero = Real::whole(0, extended);
        let Some(text) = self.next() else { return zero };
        if let [b'\'' | b'"', quoted @ ..] = text.bytes().trim_ascii_start() {
            self.minds_quote(quoted);
            return Real::whole(code_of(quoted, self.codes_are_bytes()), extended);
        }
        let (value, length, out_of_range) = reals::at_start(text.bytes(), extended);
        let is_whole = length == text.len();
        let how = self.walker.state.dialect.printf_reals;
        let blanks = text.bytes()[length..].iter().all(u8::is_ascii_whitespace);
        match how {
            PrintfReals::WholeOrExpression if blanks => return value,
            PrintfReals::Expression | PrintfReals::WholeOrExpression => {
                let (walker, span) = (&mut *self.walker, self.origin.span());
                if let Some(zero) = arithmetic::minus_zero(text.bytes(), &walker.state) {
                    return zero;
                }
                let read = arithmetic::argument_real(walker, text.bytes(), span);
                if let Err(stop) = &read {
                    self.note(stop, text.bytes());
                }
                if read.is_err()
                    && !self.is_broken
                    && self.walker.state.dialect.printf_numbers_are_lenient
                    && let Some(number) = self.lenient(text.bytes(), false)
                {
                    return Real::whole(number, extended);
                }
                self.status |= Status::from(read.is_err());
                return read.unwrap_or(match how {
                    PrintfReals::Expression => value,
                    _ => zero,
                });
            }
            PrintfReals::Start | PrintfReals::Whole => {}
        }
        let lost = out_of_range && self.walker.state.dialect.printf_minds_range;
        self.status |= Status::from((!is_whole && !text.is_empty()) || lost);
        if is_whole || how == PrintfReals::Start { value } else { zero }
    }

    /// The next argument as a whole number; `signed` where it is shown with its sign.
    /// What an expression that is none stands for without a complaint; a character may stand for its code.
    fn lenient(&mut self, text: &[u8], has_codes: bool) -> Option<i64> {
        let (first, last) = (*text.first()?, *text.trim_ascii_end().last()?);
        if has_codes && b"#;@[]\\{}$`".contains(&first) {
            return Some(first.into());
        }
        let awaits = |byte: &u8| b"!%&()*+,-./<=>?^|~ ".contains(byte);
        if !awaits(&last) {
            return None;
        }
        let length = text.iter().rposition(|byte| !awaits(byte)).map_or(0, |at| at + 1);
        let (walker, span) = (&mut *self.walker, self.origin.span());
        Some(arithmetic::text_value(walker, &text[..length], span).unwrap_or(0))
    }

    /// The value of an expression, `signed` where it is shown with its sign.
    fn evaluated(&mut self, text: &[u8], signed: bool) -> i64 {
        let span = self.origin.span();
        let value = match self.walker.state.dialect.printf_saturates {
            true => arithmetic::argument_real(self.walker, text, span).map(|real| {
                let (least, most) = (real.cut(), real.saturated());
                self.status |= Status::from(real.is_beyond(signed));
                if signed { most } else { least }
            }),
            false => arithmetic::text_value(self.walker, text, span),
        };
        let stop = match value {
            Ok(value) => return value,
            Err(stop) => stop,
        };
        self.note(&stop, text);
        let dialect = &self.walker.state.dialect;
        let (lenient, partial) =
            (dialect.printf_numbers_are_lenient, dialect.printf_partial_numbers);
        if lenient
            && !self.is_broken
            && let Some(value) = self.lenient(text, true)
        {
            return value;
        }
        self.status = 1;
        if partial { leading_number(text) } else { 0 }
    }

    /// Notes a mistake in an argument, and ends the output if it is none of arithmetic or an expression names a member.
    fn note(&mut self, stop: &Stop, text: &[u8]) {
        let dialect = &self.walker.state.dialect;
        let is_number = matches!(stop, Stop::Shell(error) if error.is_number);
        self.is_broken |= dialect.printf_ends_at_mistakes
            && (!is_number || (dialect.dotted_names && names_member(text)));
    }

    pub(super) fn next_number(&mut self, signed: bool) -> i64 {
        let Some(text) = self.next() else {
            self.status |= Status::from(self.walker.state.dialect.printf_minds_missing);
            return 0;
        };
        let bytes = text.bytes().trim_ascii_start();
        let dialect = &self.walker.state.dialect;
        let minds = dialect.printf_minds_empty || (dialect.printf_minds_blanks && !text.is_empty());
        self.status |= Status::from(bytes.is_empty() && minds);
        if let [b'\'' | b'"', quoted @ ..] = bytes {
            self.minds_quote(quoted);
            return code_of(quoted, self.codes_are_bytes());
        }
        if !signed
            && self.walker.state.dialect.printf_unsigned_are_wide
            && let (number, length) = magnitude(bytes)
            && length == bytes.len()
            && !matches!(bytes, [b'0', b'0'..=b'9', ..])
            && (number <= u64::MAX.into() || bytes.starts_with(b"0"))
        {
            return number as i64;
        }
        if self.walker.state.dialect.printf_evaluates {
            return self.evaluated(bytes, signed);
        }
        let (negative, digits) = match bytes {
            [b'-', rest @ ..] => (true, rest),
            [b'+', rest @ ..] => (false, rest),
            _ => (false, bytes),
        };
        let (magnitude, end) = magnitude(digits);
        let partial = self.walker.state.dialect.printf_partial_numbers;
        let lacks_digits = bytes != digits && digits.is_empty() || matches!(digits, b"0x" | b"0X");
        self.status |= Status::from(lacks_digits || end < digits.len());
        if end < digits.len() && !partial {
            return 0;
        }
        let dialect = &self.walker.state.dialect;
        let has_sign = signed || (negative && dialect.printf_negatives_have_sign);
        let most = match (has_sign, negative) {
            (true, true) => i64::MIN.unsigned_abs(),
            (true, false) => i64::MAX.unsigned_abs(),
            (false, _) => u64::MAX,
        };
        if magnitude > u128::from(most) {
            self.status |= Status::from(dialect.printf_minds_range);
            return match has_sign && negative {
                _ if !partial => 0,
                true => i64::MIN,
                false => most as i64,
            };
        }
        let value = magnitude as u64 as i64;
        if negative { value.wrapping_neg() } else { value }
    }
}

/// Whether a dot stands behind a name, before two words that nothing connects. Two dots are none unless a name
/// follows.
fn names_member(text: &[u8]) -> bool {
    let is_name = |byte: u8| byte == b'_' || byte.is_ascii_alphanumeric();
    let kind = |byte: u8| (is_name(byte), byte.is_ascii_whitespace());
    let (mut before, mut apart) = (None, false);
    let mut words = text.chunk_by(|&one, &next| kind(one) == kind(next)).peekable();
    while let Some(word) = words.next() {
        let first = word[0];
        if first.is_ascii_whitespace() {
            apart = true;
            continue;
        }
        let behind_name = before.is_some_and(is_name);
        if behind_name && is_name(first) && apart {
            return false;
        }
        let dots = word.iter().take_while(|&&byte| byte == b'.').count();
        let leads_on = word.len() == dots && words.peek().is_some_and(|next| is_name(next[0]));
        let is_member = dots > 0 && (dots != 2 || leads_on);
        if is_member && behind_name && !apart && !before.is_some_and(|one| one.is_ascii_digit()) {
            return true;
        }
        (before, apart) = (Some(first), false);
    }
    false
}

/// The whole number that a text begins with, as C's `strtoumax` reads it without a sign: hexadecimal behind `0x`,
/// octal behind `0`; and how many bytes it takes.
fn magnitude(text: &[u8]) -> (u128, usize) {
    let (base, start) = match text {
        [b'0', b'x' | b'X', digit, ..] if digit.is_ascii_hexdigit() => (16, 2),
        [b'0', ..] => (8, 0),
        _ => (10, 0),
    };
    let digits = text[start..].iter().map_while(|&byte| char::from(byte).to_digit(base));
    let add = |(sum, length): (u128, usize), digit: u32| {
        (sum.saturating_mul(base.into()).saturating_add(digit.into()), length + 1)
    };
    digits.fold((0, start), add)
}

/// The code of the first character; of a byte that is none, or where bytes count, the value of the byte.
fn code_of(text: &[u8], bytes_count: bool) -> i64 {
    let Some((code, _)) = crate::text::next_character(text, !bytes_count) else { return 0 };
    match char::from_u32(code) {
        Some(character) => i64::from(u32::from(character)),
        None => i64::from(text[0]),
    }
}
