//! Constants of arithmetic expressions (C11 6.4.4.1, and what each shell adds).

use std::borrow::Cow;

use bstr::ByteSlice;

use crate::dialect::{Dialect, EmptyDigits, LargeConstant};

/// The value of a whole number: decimal, `0x`, octal where a leading zero means that, `base#digits`
/// where the shell has it.
pub fn constant(text: &[u8], dialect: &Dialect) -> Option<i64> {
    if let Some(sign) = text.iter().position(|&byte| byte == b'#') {
        if dialect.bases_begin_with_no_zero && text.starts_with(b"0") {
            return None;
        }
        let base = std::str::from_utf8(&text[..sign]).ok()?.parse::<u32>().ok()?;
        return match base {
            0 if dialect.base_zero_is_none => number_of_c(&text[sign + 1..], dialect),
            base => based(&text[sign + 1..], base, dialect),
        };
    }
    match text {
        [b'0', b'x' | b'X'] if dialect.empty_hexadecimal => Some(0),
        [b'0', b'b' | b'B'] if dialect.empty_hexadecimal && dialect.arithmetic_binary => Some(0),
        [b'0', b'x' | b'X', rest @ ..] => digits(rest, 16, dialect),
        [b'0', b'b' | b'B', rest @ ..] if dialect.arithmetic_binary => digits(rest, 2, dialect),
        [b'0', rest @ ..] if dialect.arithmetic_octal && !rest.is_empty() => {
            let is_wrong = rest.iter().any(|digit| matches!(digit, b'8' | b'9'));
            let is_decimal = is_wrong && dialect.wrong_octal_is_decimal;
            digits(rest, if is_decimal { 10 } else { 8 }, dialect)
        }
        _ => digits(text, 10, dialect),
    }
}

/// Whether an expression holds a hexadecimal number.
pub(crate) fn has_hexadecimal(text: &[u8]) -> bool {
    let begins =
        |at: usize| at == 0 || !(text[at - 1].is_ascii_alphanumeric() || text[at - 1] == b'_');
    text.windows(2).enumerate().any(|(at, pair)| matches!(pair, [b'0', b'x' | b'X']) && begins(at))
}

/// The base that a constant names: `0x`, `0b` or `base#`.
pub(crate) fn written_base(text: &[u8], dialect: &Dialect) -> Option<u32> {
    match text {
        [b'0', b'x' | b'X', ..] => Some(16),
        [b'0', b'b' | b'B', ..] => Some(2),
        _ => {
            let sign = text.iter().position(|&byte| byte == b'#')?;
            let base = std::str::from_utf8(&text[..sign]).ok()?.parse().ok()?;
            let is_ten = base > dialect.arithmetic_largest_base && dialect.large_base_is_ten;
            Some(if is_ten { 10 } else { base })
        }
    }
}

/// A number whose first digits say its base, as in C.
fn number_of_c(text: &[u8], dialect: &Dialect) -> Option<i64> {
    match text {
        [b'0', b'x' | b'X', rest @ ..] => digits(rest, 16, dialect),
        [b'0', b'b' | b'B', rest @ ..] => digits(rest, 2, dialect),
        [b'0', rest @ ..] if !rest.is_empty() => digits(rest, 8, dialect),
        [] => Some(0),
        text => digits(text, 10, dialect),
    }
}

/// `base#digits`
fn based(text: &[u8], base: u32, dialect: &Dialect) -> Option<i64> {
    if base == 1 && dialect.base_one_is_a_character && !text.is_empty() {
        let (code, length) = character_code(text)?;
        return (length == text.len()).then_some(code);
    }
    let least = if dialect.base_one_is_a_character { 1 } else { 2 };
    if base > 99 && dialect.bases_have_two_digits {
        return None;
    }
    let is_base =
        base >= least && (base <= dialect.arithmetic_largest_base || dialect.large_base_is_ten);
    let is_zero = match dialect.empty_digits {
        EmptyDigits::Refused => false,
        EmptyDigits::Zero => true,
        EmptyDigits::ZeroFromTen => base >= 10,
    };
    if text.is_empty() && is_zero && is_base {
        return Some(0);
    }
    let base = match base > dialect.arithmetic_largest_base && dialect.large_base_is_ten {
        true => 10,
        false => base,
    };
    let text = match base <= 36 && dialect.at_sign_is_nine && text.contains(&b'@') {
        true => Cow::Owned(text.replace("@", "9")),
        false => Cow::Borrowed(text),
    };
    digits(&text, base, dialect).filter(|_| (2..=dialect.arithmetic_largest_base).contains(&base))
}

/// The number that the character behind `1#` is, and how many bytes it has; a byte that is no character has a
/// code of mksh's own.
pub(crate) fn character_code(text: &[u8]) -> Option<(i64, usize)> {
    match crate::text::next_character(text, true)? {
        (code, length) if code < 0x1_0000 => Some((i64::from(code), length)),
        _ => Some((BYTE_CODES + i64::from(text[0]), 1)),
    }
}

/// The character that a number is in base 1; 0 is none.
pub(crate) fn character_of(value: i64) -> Option<Vec<u8>> {
    let code = value.unsigned_abs();
    if (BYTE_CODES as u64 + 0x80..=BYTE_CODES as u64 + 0xFF).contains(&code) {
        return Some(vec![code as u8]);
    }
    let code = if code > 0xFFFD { 0xFFFD } else { code as u32 };
    Some(match code {
        0 => return None,
        1..0x80 => vec![code as u8],
        0x80..0x800 => vec![0xC0 | (code >> 6) as u8, 0x80 | (code & 0x3F) as u8],
        _ => vec![
            0xE0 | (code >> 12) as u8,
            0x80 | (code >> 6 & 0x3F) as u8,
            0x80 | (code & 0x3F) as u8,
        ],
    })
}

/// What mksh adds to a byte that is no character to get its code.
const BYTE_CODES: i64 = 0xEF00;

/// Digits of a base up to 64: `0-9 a-z A-Z @ _`; up to 36 the case of a letter does not count.
pub(crate) fn digits(text: &[u8], base: u32, dialect: &Dialect) -> Option<i64> {
    if text.is_empty() {
        return None;
    }
    let (mut value, mut overflown) = (0u64, false);
    for &byte in text {
        let digit = u64::from(digit(byte, base)?);
        let step = value.checked_mul(u64::from(base)).and_then(|value| value.checked_add(digit));
        let next = value.wrapping_mul(u64::from(base)).wrapping_add(digit);
        if dialect.arithmetic_large_constant == LargeConstant::Truncates {
            // zsh notices an overflow only where the number gets smaller.
            overflown |= next < value;
            value = if overflown { value } else { next };
            continue;
        }
        overflown |= step.is_none();
        value = next;
    }
    let negative = value > i64::MAX as u64;
    Some(match dialect.arithmetic_large_constant {
        LargeConstant::Saturates if overflown || negative => i64::MAX,
        LargeConstant::Vanishes if overflown => 0,
        LargeConstant::Truncates if negative && !overflown => (value / u64::from(base)) as i64,
        _ => value as i64,
    })
}

fn digit(byte: u8, base: u32) -> Option<u32> {
    let digit = match byte {
        b'0'..=b'9' => byte - b'0',
        b'a'..=b'z' => byte - b'a' + 10,
        b'A'..=b'Z' if base <= 36 => byte - b'A' + 10,
        b'A'..=b'Z' => byte - b'A' + 36,
        b'@' => 62,
        b'_' => 63,
        _ => return None,
    };
    Some(u32::from(digit)).filter(|&digit| digit < base)
}
