//! Texts as whole numbers, in each language.

use std::num::{IntErrorKind, ParseIntError};
use std::str::FromStr;

use crate::receive::convert::scan::{begins, blanks, decimal, digits, hexadecimal, sign, value};
use crate::receive::convert::show::fifteen_digits;
use crate::receive::convert::unicode::{digit, javascript_blank, python_trimmed};
use crate::receive::convert::{Outcome, Value};

/// `strtol` of C: blanks, a sign, a prefix of the base, digits; the rest stays (C17 7.22.1.4).
pub fn strtol(text: &[u8], base: u32) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let has_prefix = begins(number, "0x") && digits(&number[2..], 16) > 0;
    let (base, prefix) = match base {
        0 | 16 if has_prefix => (16, 2),
        0 if number.first() == Some(&b'0') => (8, 0),
        0 => (10, 0),
        base => (base, 0),
    };
    let length = digits(&number[prefix..], base);
    if length == 0 {
        return Outcome { stops: Some(0), ..Outcome::of(Value::Whole(0)) };
    }
    let stops = start + signs + prefix + length;
    let (value, out_of_range) = saturated(&number[prefix..prefix + length], base, negative);
    Outcome { value: Ok(Value::Whole(value)), stops: Some(stops), out_of_range }
}

/// The value of digits, or the nearest that fits, and whether it did not fit.
fn saturated(digits: &[u8], base: u32, negative: bool) -> (i64, bool) {
    let mut value: i64 = 0;
    for byte in digits {
        let digit = i64::from(char::from(*byte).to_digit(base).unwrap_or(0));
        let next = value.checked_mul(i64::from(base)).and_then(|value| match negative {
            true => value.checked_sub(digit),
            false => value.checked_add(digit),
        });
        match next {
            Some(next) => value = next,
            None => return (if negative { i64::MIN } else { i64::MAX }, true),
        }
    }
    (value, false)
}

/// `atoi` of C: the value of `strtol`, of which glibc keeps the lower 32 bits.
pub fn atoi(text: &[u8]) -> Outcome {
    match strtol(text, 10).value {
        Ok(Value::Whole(value)) => Outcome::of(Value::Whole(i64::from(value as i32))),
        other => Outcome { value: other, stops: None, out_of_range: false },
    }
}

/// `Integer.parseInt` and `Long.parseLong` of Java: a sign and digits of any script, nothing else.
pub fn java(text: &[u8], bits: u32) -> Outcome {
    const ERROR: &str = "NumberFormatException";
    let text = String::from_utf8_lossy(text);
    let (negative, signs) = sign(text.as_bytes());
    let mut value: i64 = 0;
    let number = &text[signs..];
    for character in number.chars() {
        // Java looks at halves of characters beyond U+FFFF, which are no digits.
        let Some(digit) = digit(character).filter(|_| (character as u32) < 0x10000) else {
            return Outcome::error(ERROR);
        };
        let next = value.checked_mul(10).and_then(|value| match negative {
            true => value.checked_sub(i64::from(digit)),
            false => value.checked_add(i64::from(digit)),
        });
        let Some(next) = next else { return Outcome::error(ERROR) };
        value = next;
    }
    let fits = bits == 64 || i32::try_from(value).is_ok();
    match !number.is_empty() && fits {
        true => Outcome::of(Value::Whole(value)),
        false => Outcome::error(ERROR),
    }
}

/// The most digits that Python turns into a number unless it is told otherwise.
const PYTHON_DIGITS: usize = 4300;

/// `int` of Python: blanks around, a sign, digits of any script with single underscores between them.
pub fn python(text: &[u8]) -> Outcome {
    const ERROR: &str = "ValueError";
    let Ok(text) = std::str::from_utf8(text) else { return Outcome::error(ERROR) };
    let text = python_trimmed(text);
    let (negative, signs) = sign(text.as_bytes());
    let mut digits = String::new();
    let mut between = false;
    for character in text[signs..].chars() {
        match digit(character) {
            Some(value) => {
                digits.push(char::from(b'0' + value));
                between = true;
            }
            None if character == '_' && between => between = false,
            None => return Outcome::error(ERROR),
        }
    }
    if !between || digits.len() > PYTHON_DIGITS {
        return Outcome::error(ERROR);
    }
    Outcome::of(Value::Digits(signed(&digits, negative)))
}

/// Digits without zeros before them, with their sign.
fn signed(digits: &str, negative: bool) -> String {
    match digits.trim_start_matches('0') {
        "" => "0".into(),
        digits if negative => format!("-{digits}"),
        digits => digits.to_owned(),
    }
}

/// `strconv.Atoi` of Go: a sign and digits.
pub fn go_atoi(text: &[u8]) -> Outcome {
    go(text, 10)
}

/// `strconv.ParseInt` of Go with base 0: prefixes and underscores as in Go itself.
pub fn go_parse_int(text: &[u8]) -> Outcome {
    go(text, 0)
}

fn go(text: &[u8], base: u32) -> Outcome {
    const SYNTAX: &str = "ErrSyntax";
    let (negative, signs) = sign(text);
    let whole = &text[signs..];
    let (radix, number) = match (base, whole) {
        (0, [b'0', b'x' | b'X', rest @ ..]) if !rest.is_empty() => (16, rest),
        (0, [b'0', b'b' | b'B', rest @ ..]) if !rest.is_empty() => (2, rest),
        (0, [b'0', b'o' | b'O', rest @ ..]) if !rest.is_empty() => (8, rest),
        (0, [b'0', rest @ ..]) => (8, rest),
        _ => (10, whole),
    };
    if whole.is_empty() {
        return Outcome::error(SYNTAX);
    }
    let mut value: u64 = 0;
    for byte in number {
        if *byte == b'_' && base == 0 {
            continue;
        }
        let Some(digit) = char::from(*byte).to_digit(radix) else { return Outcome::error(SYNTAX) };
        let next =
            value.checked_mul(u64::from(radix)).and_then(|one| one.checked_add(u64::from(digit)));
        let Some(next) = next else { return Outcome::error("ErrRange") };
        value = next;
    }
    if base == 0 && number.contains(&b'_') && !go_underscores(whole) {
        return Outcome::error(SYNTAX);
    }
    let value = if negative { -i128::from(value) } else { i128::from(value) };
    match i64::try_from(value) {
        Ok(value) => Outcome::of(Value::Whole(value)),
        Err(_) => Outcome::error("ErrRange"),
    }
}

/// Whether each underscore stands between digits, or between the prefix of a base and a digit.
pub(super) fn go_underscores(text: &[u8]) -> bool {
    let prefix = matches!(text, [b'0', b'b' | b'B' | b'o' | b'O' | b'x' | b'X', ..]);
    let is_hexadecimal = prefix && text[1].eq_ignore_ascii_case(&b'x');
    let mut before = if prefix { b'0' } else { b'^' };
    for byte in &text[if prefix { 2 } else { 0 }..] {
        let is_digit = byte.is_ascii_digit() || (is_hexadecimal && byte.is_ascii_hexdigit());
        before = match (is_digit, byte, before) {
            (true, ..) => b'0',
            (_, b'_', b'0') => b'_',
            (_, b'_', _) | (_, _, b'_') => return false,
            _ => b'!',
        };
    }
    before != b'_'
}

/// `parse` of Rust: what Rust itself does.
pub fn rust<N: FromStr<Err = ParseIntError> + Into<i64>>(text: &[u8]) -> Outcome {
    let Ok(text) = std::str::from_utf8(text) else { return Outcome::error("panics") };
    match text.parse::<N>() {
        Ok(value) => Outcome::of(Value::Whole(value.into())),
        Err(error) => Outcome::error(match error.kind() {
            IntErrorKind::Empty => "Empty",
            IntErrorKind::PosOverflow => "PosOverflow",
            IntErrorKind::NegOverflow => "NegOverflow",
            _ => "InvalidDigit",
        }),
    }
}

/// `int` of Perl on a text: the number at its start, cut to a whole one. What fits 64 bits stays exact.
pub fn perl(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    if begins(number, "inf") || begins(number, "nan") {
        let real = if begins(number, "nan") { f64::NAN } else { f64::INFINITY };
        return Outcome::of(Value::Digits(fifteen_digits(if negative { -real } else { real })));
    }
    let Some(found) = decimal(number) else { return Outcome::of(Value::Whole(0)) };
    let digits = &number[..found.length];
    // With anything but blanks behind it, Perl takes a number for a real one.
    let ends = blanks(&number[found.length..]) + found.length == number.len();
    let exact = std::str::from_utf8(digits).ok().filter(|_| !found.is_real && ends);
    let exact = exact.and_then(|digits| digits.parse::<u64>().ok()).map(i128::from);
    let exact = exact.map(|value| if negative { -value } else { value });
    if let Some(exact) = exact.filter(|value| *value >= i128::from(i64::MIN)) {
        return Outcome::of(Value::Digits(exact.to_string()));
    }
    let real = value(digits).trunc();
    let real = if negative { -real } else { real };
    let shown = match real < 18446744073709551616.0 && real > i64::MIN as f64 {
        // What is whole and fits is printed with all of its digits.
        true => (real as i128).to_string(),
        false => fifteen_digits(real),
    };
    Outcome::of(Value::Digits(shown))
}

/// `(int)` of PHP on a text: the number at its start, cut to a whole one that fits.
pub fn php(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let Some(found) = decimal(number) else { return Outcome::of(Value::Whole(0)) };
    let digits = &number[..found.length];
    let (whole, overflows) = saturated(digits, 10, negative);
    match php_strays(number, found.length) {
        Some(false) if !found.is_real => {
            let wrapped = digits.iter().fold(0i64, |value, digit| {
                value.wrapping_mul(10).wrapping_add(i64::from(digit - b'0'))
            });
            let signed = if negative { wrapped.wrapping_neg() } else { wrapped };
            return Outcome::of(Value::Whole(signed));
        }
        None if !found.is_real && !overflows => return Outcome::of(Value::Whole(whole)),
        _ => {}
    }
    let real = value(digits);
    let real = if negative { -real } else { real };
    // Infinity becomes 0, what is merely too large the largest number.
    Outcome::of(Value::Whole(if real.is_infinite() { 0 } else { real as i64 }))
}

/// Whether PHP takes 19 digits for too many where an `e` with a sign but no digit stands behind them: it
/// compares the text from its second digit on with the smallest number, and what passes wraps (observed in
/// PHP 8.2).
fn php_strays(number: &[u8], length: usize) -> Option<bool> {
    let zeros = number.iter().take_while(|byte| **byte == b'0').count();
    let strays = matches!(number[length..], [b'e' | b'E', b'-' | b'+', ..]);
    let compared = || number[zeros + 1..] > b"9223372036854775808"[..];
    (strays && length - zeros == 19).then(compared)
}

/// `parseInt` of JavaScript: blanks, a sign, `0x`, digits; the rest is passed over (ECMA-262 19.2.5).
pub fn javascript(text: &[u8]) -> Outcome {
    let text = String::from_utf8_lossy(text);
    let text = text.trim_start_matches(javascript_blank).as_bytes();
    let (negative, signs) = sign(text);
    let number = &text[signs..];
    let real = match begins(number, "0x") {
        true => hexadecimal(&number[2..][..digits(&number[2..], 16)], false).map(|(_, real)| real),
        false => Some(value(&number[..digits(number, 10)])),
    };
    let real = real.unwrap_or(f64::NAN);
    Outcome::of(Value::Real(if negative { -real } else { real }))
}

/// `to_i` of Ruby: blanks, a sign, digits with single underscores between them; the rest is passed over.
pub fn ruby_to_i(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let prefix = if begins(number, "0d") { 2 } else { 0 };
    let (digits, _) = underscored(&number[prefix..], 10);
    Outcome::of(Value::Digits(signed(&digits, negative)))
}

/// `Integer` of Ruby: blanks around, a sign, a prefix of the base, digits with single underscores.
pub fn ruby_integer(text: &[u8]) -> Outcome {
    const ERROR: &str = "ArgumentError";
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let end = number.len() - number.iter().rev().take_while(|byte| blanks(&[**byte]) == 1).count();
    let number = &number[..end];
    let (base, prefix) = match number {
        [b'0', b'x' | b'X', ..] => (16, 2),
        [b'0', b'b' | b'B', ..] => (2, 2),
        [b'0', b'o' | b'O', ..] => (8, 2),
        [b'0', b'd' | b'D', ..] => (10, 2),
        [b'0', b'_' | b'0'..=b'9', ..] => (8, 0),
        _ => (10, 0),
    };
    let (digits, length) = underscored(&number[prefix..], base);
    if digits.is_empty() || prefix + length != number.len() {
        return Outcome::error(ERROR);
    }
    Outcome::of(Value::Digits(signed(&in_decimal(&digits, base), negative)))
}

/// Digits with single underscores between them, and how long all of that is.
fn underscored(text: &[u8], base: u32) -> (String, usize) {
    let mut digits = String::new();
    let mut at = 0;
    let mut length = 0;
    while at < text.len() {
        if char::from(text[at]).is_digit(base) {
            digits.push(char::from(text[at]));
            at += 1;
            length = at;
        } else if text[at] == b'_' && at > 0 && length == at {
            at += 1;
        } else {
            break;
        }
    }
    (digits, length)
}

/// The most digits of another base that are turned into decimal ones.
const MOST_TURNED: usize = 4096;

/// Digits of a base as decimal ones; very many of them stay as they are, with their base before them.
fn in_decimal(digits: &str, base: u32) -> String {
    if base == 10 {
        return digits.into();
    }
    if digits.len() > MOST_TURNED {
        return format!("{base}#{digits}");
    }
    const LIMB: u64 = 1_000_000_000;
    let mut limbs: Vec<u64> = vec![0];
    for character in digits.chars() {
        let mut carry = u64::from(character.to_digit(base).unwrap_or(0));
        for limb in &mut limbs {
            let value = *limb * u64::from(base) + carry;
            *limb = value % LIMB;
            carry = value / LIMB;
        }
        if carry > 0 {
            limbs.push(carry);
        }
    }
    limbs.iter().rev().map(|limb| format!("{limb:09}")).collect()
}
