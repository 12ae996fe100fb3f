//! Constants inside arithmetic expressions: whole numbers, reals, characters.

use std::borrow::Cow;

use crate::dialect::{LargeConstant, RealConstants, Reals, TakesBase};
use crate::real::Real;
use crate::syntax::arithmetic::{Expression, Read, Reader, Target};
use crate::syntax::cursor::{is_name_byte, is_name_start};
use crate::syntax::numeral::{character_code, constant, written_base};

impl<'a> Reader<'a> {
    /// `inf` or `nan` in letters of any case, where those are numbers.
    pub(super) fn infinity(&self, target: &Target) -> Option<Real> {
        if !self.dialect.arithmetic_infinities || target.index.is_some() {
            return None;
        }
        let is = |word: &[u8]| target.name.eq_ignore_ascii_case(word);
        let value = match () {
            () if is(b"inf") => f64::INFINITY,
            () if is(b"nan") => f64::NAN,
            () => return None,
        };
        Some(Real::of(value, self.dialect.extended_reals))
    }

    /// What begins with a digit.
    pub(super) fn number(&mut self) -> Read {
        let zeros = self.rest().iter().take_while(|&&byte| byte == b'0').count();
        let lenient = self.dialect.real_constants == RealConstants::Lenient;
        if lenient && zeros > 1 && matches!(self.rest()[zeros..], [b'x' | b'X', ..]) {
            self.at += zeros - 1;
        }
        let start = self.at;
        let number = match self.real()? {
            Some(value) => Expression::Real(value),
            None => {
                let value = self.whole(start)?;
                let base = written_base(&self.text[start..self.at], self.dialect).unwrap_or(10);
                match base != 10 && self.dialect.integers_take_base == TakesBase::OfValue {
                    true => Expression::Written(value, base),
                    false => Expression::Number(value),
                }
            }
        };
        // `1++` is a step of what is no variable.
        let steps = [&b"++"[..], b"--"].into_iter().any(|sign| self.rest().starts_with(sign));
        match steps && !self.dialect.arithmetic_double_signs {
            true => Err("++ and -- need a variable".into()),
            false => Ok(number),
        }
    }

    /// What begins with a point.
    pub(super) fn point(&mut self) -> Read {
        let lenient = self.dialect.real_constants == RealConstants::Lenient;
        match self.text.get(self.at + 1) {
            // A member of a compound variable that nobody has made.
            Some(&byte) if lenient && is_name_start(byte) => {
                self.at += 1;
                let name = self.run(|byte| byte == b'.' || is_name_byte(byte));
                Ok(Expression::Variable(Target::whole(&[b".", name].concat())))
            }
            None if lenient => {
                self.at += 1;
                Ok(Expression::Number(0))
            }
            _ => self.number(),
        }
    }

    fn whole(&mut self, start: usize) -> Result<i64, String> {
        if self.dialect.base_one_is_a_character
            && let Some(behind) = self.rest().strip_prefix(b"1#")
            && let Some((code, length)) = character_code(behind)
        {
            self.at += 2 + length;
            return Ok(code);
        }
        // An underscore is a digit of the largest bases, or passed over.
        let dialect = self.dialect;
        let is_large = dialect.arithmetic_largest_base > 36;
        self.run(|byte| match byte {
            b'_' => is_large || dialect.arithmetic_underscores,
            b'@' => is_large,
            byte => is_name_byte(byte) || byte == b'#',
        });
        let text = self.digits_from(start);
        let base = written_base(&text, dialect).filter(|_| dialect.constants_give_bases);
        let value = constant(&text, dialect).ok_or_else(|| no_number(&text))?;
        self.base = base.or(self.base);
        Ok(self.number_behind_sign(value).unwrap_or(value))
    }

    /// The decimal number behind a `#` that blanks divide from a digit: it takes the place of the digit.
    fn number_behind_sign(&mut self, digit: i64) -> Option<i64> {
        if !self.dialect.divided_bases_vanish || !(1..10).contains(&digit) {
            return None;
        }
        let start = self.at;
        if self.peek() == Some(b'#') && self.at > start {
            self.at += 1;
            self.blanks();
            let digits = self.digits();
            if let Some(number) = constant(digits, self.dialect).filter(|_| !digits.is_empty()) {
                return Some(number);
            }
        }
        self.at = start;
        None
    }

    /// A real, if the text here is one: it has a fraction or an exponent, or is too large for a whole number.
    fn real(&mut self) -> Result<Option<Real>, String> {
        if self.dialect.arithmetic_reals == Reals::None {
            return Ok(None);
        }
        if matches!(self.rest(), [b'0', b'x' | b'X', ..]) {
            return Ok(self.hexadecimal_real());
        }
        let start = self.at;
        let whole = self.digits();
        let has_point = self.peeks(b".");
        if has_point {
            self.at += 1;
            self.digits();
        }
        let mantissa = self.digits_from(start).into_owned();
        let exponent = self.exponent(b"eE");
        let is_large = self.dialect.arithmetic_large_constant == LargeConstant::Real
            && std::str::from_utf8(whole).is_ok_and(|whole| whole.parse::<i64>().is_err())
            && !whole.is_empty();
        if !has_point && exponent.is_none() && (!is_large || self.peeks(b"#")) {
            self.at = start;
            return Ok(None);
        }
        let zero = !whole.is_empty() && whole.iter().all(|&digit| digit == b'0');
        let lenient = self.dialect.real_constants == RealConstants::Lenient;
        let goes_on = self.rest().first().is_some_and(|&byte| is_name_byte(byte) || byte == b'.');
        let is_empty = !lenient && !mantissa.iter().any(u8::is_ascii_digit);
        if goes_on || is_empty || (lenient && zero && !has_point && exponent.is_some()) {
            return Err(no_number(&self.text[start..self.at]));
        }
        self.real_of(&mantissa, "e", exponent.unwrap_or(0)).map(Some)
    }

    /// `0x`, hexadecimal digits, and a fraction or an exponent of two where the shell has those; or more digits
    /// than a whole number holds, where that makes a real.
    fn hexadecimal_real(&mut self) -> Option<Real> {
        let start = self.at;
        self.at += 2;
        let digits = self.run(|byte| byte.is_ascii_hexdigit());
        let zeros = digits.iter().take_while(|byte| **byte == b'0').count();
        let is_large = self.dialect.arithmetic_large_constant == LargeConstant::Real
            && digits.len() - zeros > 16;
        let (mut has_more, mut exponent) = (false, None);
        if self.dialect.real_constants == RealConstants::Lenient && !digits.is_empty() {
            has_more = self.peeks(b".");
            if has_more {
                self.at += 1;
                self.run(|byte| byte.is_ascii_hexdigit());
            }
        }
        let mantissa = self.text[start..self.at].to_vec();
        if self.dialect.real_constants == RealConstants::Lenient && !digits.is_empty() {
            exponent = self.exponent(b"pP");
        }
        let goes_on = self.rest().first().is_some_and(|&byte| is_name_byte(byte));
        if goes_on || !(has_more || is_large || exponent.is_some()) {
            self.at = start;
            return None;
        }
        self.real_of(&mantissa, "p", exponent.unwrap_or(0)).ok()
    }

    /// The exponent behind one of these letters; one without digits is 0 where the shell takes that.
    fn exponent(&mut self, letters: &[u8; 2]) -> Option<i32> {
        let start = self.at;
        if !self.rest().first().is_some_and(|byte| letters.contains(byte)) {
            return None;
        }
        self.at += 1;
        let negative = self.peeks(b"-");
        if negative || self.peeks(b"+") {
            self.at += 1;
        }
        let digits = self.digits();
        let lenient = self.dialect.real_constants == RealConstants::Lenient;
        if digits.is_empty() && !lenient {
            self.at = start;
            return None;
        }
        let value = digits.iter().filter(|&&byte| byte != b'_').fold(0i32, |value, digit| {
            let (more, digit) = (value.wrapping_mul(10), i32::from(digit - b'0'));
            if lenient {
                more.wrapping_add(digit)
            } else {
                value.saturating_mul(10).saturating_add(digit)
            }
        });
        // The number without a positive counterpart counts as none.
        let value = if lenient && value == i32::MIN { 0 } else { value };
        Some(if negative { -value } else { value })
    }

    /// The real with these digits and this exponent.
    fn real_of(&self, mantissa: &[u8], letter: &str, exponent: i32) -> Result<Real, String> {
        let mantissa = std::str::from_utf8(mantissa).map_err(|_| no_number(mantissa))?;
        let whole = if mantissa.starts_with('.') { "0" } else { "" };
        let written = format!("{whole}{mantissa}{letter}{exponent}");
        Real::parse(&written, self.dialect.extended_reals)
            .ok_or_else(|| no_number(mantissa.as_bytes()))
    }

    /// Passes over the digits here, and over underscores where numbers may hold them.
    fn digits(&mut self) -> &'a [u8] {
        let underscores = self.dialect.arithmetic_underscores;
        self.run(|byte| byte.is_ascii_digit() || (byte == b'_' && underscores))
    }

    /// Passes over the bytes here that are of one kind.
    fn run(&mut self, is: impl Fn(u8) -> bool) -> &'a [u8] {
        let start = self.at;
        let length = self.rest().iter().take_while(|&&byte| is(byte)).count();
        self.at += length;
        &self.text[start..self.at]
    }

    fn peeks(&self, sign: &[u8]) -> bool {
        self.rest().starts_with(sign)
    }

    /// The text from a place up to here, without the underscores that numbers may hold.
    fn digits_from(&self, start: usize) -> Cow<'_, [u8]> {
        let text = &self.text[start..self.at];
        match self.dialect.arithmetic_underscores && text.contains(&b'_') {
            true => text.iter().copied().filter(|byte| *byte != b'_').collect::<Vec<_>>().into(),
            false => text.into(),
        }
    }

    /// `'c'`: the code of a character.
    pub(super) fn character(&mut self) -> Read {
        let rest = &self.text[self.at + 1..];
        if let [b'\\', letter, b'\'', ..] = rest
            && self.dialect.arithmetic_character_escapes
        {
            let written = [b'\\', *letter];
            let code = crate::syntax::decode_escapes(&written, self.dialect.dollar_escapes);
            self.at += 4;
            return Ok(Expression::Number(code.first().map_or(0, |&byte| i64::from(byte))));
        }
        let code = crate::text::next_character(rest, true);
        match code.filter(|(_, length)| rest.get(*length) == Some(&b'\'')) {
            Some((code, length)) => {
                self.at += length + 2;
                Ok(Expression::Number(i64::from(code)))
            }
            None => Err(self.wrong("one character between single quotes")),
        }
    }
}

fn no_number(text: &[u8]) -> String {
    format!("`{}` is no number here", String::from_utf8_lossy(text))
}
