//! Texts as real numbers, in each language.

use crate::receive::convert::scan::{
    begins, blanks, clamped, decimal, digits, exponent, hexadecimal, rounded, sign, value,
};
use crate::receive::convert::unicode::{digit, javascript_blank, python_trimmed};
use crate::receive::convert::whole::go_underscores;
use crate::receive::convert::{Outcome, Value};

fn real(value: f64, negative: bool) -> Outcome {
    Outcome::of(Value::Real(if negative { -value } else { value }))
}

/// `strtod` of C: blanks, a sign, a decimal or hexadecimal number, `inf` or `nan`; the rest stays
/// (C17 7.22.1.3).
pub fn strtod(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let outcome = |length: usize, value: f64, out_of_range: bool| Outcome {
        stops: Some(start + signs + length),
        out_of_range,
        ..real(value, negative)
    };
    if begins(number, "infinity") {
        return outcome(8, f64::INFINITY, false);
    }
    if begins(number, "inf") {
        return outcome(3, f64::INFINITY, false);
    }
    if begins(number, "nan") {
        return outcome(3 + of_nan(&number[3..]), f64::NAN, false);
    }
    let hexadecimal = begins(number, "0x").then(|| hexadecimal(&number[2..], false)).flatten();
    if let Some((length, value)) = hexadecimal {
        let written = &number[2..2 + length];
        let is_zero = written
            .iter()
            .take_while(|byte| !byte.eq_ignore_ascii_case(&b'p'))
            .all(|byte| matches!(byte, b'0' | b'.'));
        return outcome(
            2 + length,
            value,
            !is_zero && is_lossy(value, || hexadecimal_is_exact(written, value)),
        );
    }
    let Some(found) = decimal(number) else {
        return Outcome { stops: Some(0), ..Outcome::of(Value::Real(0.0)) };
    };
    let written = &number[..found.length];
    let is_zero = written
        .iter()
        .take_while(|byte| !byte.eq_ignore_ascii_case(&b'e'))
        .all(|byte| matches!(byte, b'0' | b'.'));
    let value = value(written);
    // No decimal number of a length that people write is exactly one of the small ones.
    outcome(found.length, value, !is_zero && is_lossy(value, || false))
}

/// Whether errno is set: the number is too large, or too small and not exact.
fn is_lossy(value: f64, is_exact: impl Fn() -> bool) -> bool {
    value.is_infinite() || (value < f64::MIN_POSITIVE && !is_exact())
}

/// Whether a hexadecimal number is exactly a value that is smaller than the normal ones.
fn hexadecimal_is_exact(written: &[u8], value: f64) -> bool {
    // With an exponent larger by 200 it has all its bits.
    let mantissa_end = written.iter().position(|byte| byte.eq_ignore_ascii_case(&b'p'));
    let mantissa = &written[..mantissa_end.unwrap_or(written.len())];
    let power = mantissa_end.map_or(&b"0"[..], |at| &written[at + 1..]);
    let power: i64 =
        std::str::from_utf8(power).ok().and_then(|text| text.parse().ok()).unwrap_or(i64::MIN / 2);
    let raised = [mantissa, b"p", (power.saturating_add(200)).to_string().as_bytes()].concat();
    hexadecimal(&raised, true).is_some_and(|(_, large)| large == value * 2_f64.powi(200))
}

/// The length of `(letters and digits)` behind `nan`.
fn of_nan(text: &[u8]) -> usize {
    if text.first() != Some(&b'(') {
        return 0;
    }
    let inside =
        text[1..].iter().take_while(|byte| byte.is_ascii_alphanumeric() || **byte == b'_').count();
    if text.get(1 + inside) == Some(&b')') { inside + 2 } else { 0 }
}

/// `Double.parseDouble` of Java: blanks around, a sign, `NaN`, `Infinity`, a decimal number or a
/// hexadecimal one with its exponent, a letter for the type.
pub fn java(text: &[u8]) -> Outcome {
    const ERROR: &str = "NumberFormatException";
    let from = text.iter().take_while(|byte| **byte <= b' ').count();
    let text = &text[from..];
    let behind = text.iter().rev().take_while(|byte| **byte <= b' ').count();
    let text = &text[..text.len() - behind];
    let (negative, signs) = sign(text);
    let number = &text[signs..];
    match number {
        b"NaN" => return real(f64::NAN, negative),
        b"Infinity" => return real(f64::INFINITY, negative),
        _ => {}
    }
    let (length, value) = if begins(number, "0x") {
        match hexadecimal(&number[2..], true) {
            Some((length, value)) => (length + 2, value),
            None => return Outcome::error(ERROR),
        }
    } else {
        match decimal(number) {
            Some(found) => (found.length, value(&number[..found.length])),
            None => return Outcome::error(ERROR),
        }
    };
    match &number[length..] {
        [] | [b'f' | b'F' | b'd' | b'D'] => real(value, negative),
        _ => Outcome::error(ERROR),
    }
}

/// `float` of Python: blanks around, a sign, `inf`, `infinity`, `nan` or a decimal number with single
/// underscores between its digits.
pub fn python(text: &[u8]) -> Outcome {
    const ERROR: &str = "ValueError";
    let Ok(text) = std::str::from_utf8(text) else { return Outcome::error(ERROR) };
    let mut plain = String::new();
    for character in python_trimmed(text).chars() {
        match digit(character) {
            Some(value) => plain.push(char::from(b'0' + value)),
            None => plain.push(character),
        }
    }
    let Some(plain) = without_underscores(plain.as_bytes()) else { return Outcome::error(ERROR) };
    let (negative, signs) = sign(&plain);
    let number = &plain[signs..];
    let is = |word: &str| number.eq_ignore_ascii_case(word.as_bytes());
    if is("inf") || is("infinity") {
        return real(f64::INFINITY, negative);
    }
    if is("nan") {
        return real(f64::NAN, negative);
    }
    match decimal(number) {
        Some(found) if found.length == number.len() => real(value(number), negative),
        _ => Outcome::error(ERROR),
    }
}

/// The same without underscores, each of which has to stand between digits.
fn without_underscores(text: &[u8]) -> Option<Vec<u8>> {
    let is_digit =
        |at: Option<usize>| at.and_then(|at| text.get(at)).is_some_and(u8::is_ascii_digit);
    let stands = |at: usize| is_digit(at.checked_sub(1)) && is_digit(Some(at + 1));
    let misplaced = text.iter().enumerate().any(|(at, &byte)| byte == b'_' && !stands(at));
    (!misplaced).then(|| text.iter().copied().filter(|byte| *byte != b'_').collect())
}

/// `strconv.ParseFloat` of Go: a sign, `inf`, `infinity`, `nan` without a sign, a decimal number or a
/// hexadecimal one with its exponent, underscores as in Go itself.
pub fn go(text: &[u8]) -> Outcome {
    const SYNTAX: &str = "ErrSyntax";
    let (negative, signs) = sign(text);
    let number = &text[signs..];
    let is = |word: &str| number.eq_ignore_ascii_case(word.as_bytes());
    if is("inf") || is("infinity") {
        return real(f64::INFINITY, negative);
    }
    if is("nan") && signs == 0 {
        return real(f64::NAN, negative);
    }
    if number.contains(&b'_') && !go_underscores(number) {
        return Outcome::error(SYNTAX);
    }
    let plain: Vec<u8> = number.iter().copied().filter(|byte| *byte != b'_').collect();
    let found = match begins(&plain, "0x") {
        true => hexadecimal(&plain[2..], true).map(|(length, value)| (length + 2, value)),
        false => decimal(&plain).map(|found| (found.length, value(&plain[..found.length]))),
    };
    match found {
        Some((length, value)) if length == plain.len() && value.is_infinite() => {
            Outcome::error("ErrRange")
        }
        Some((length, value)) if length == plain.len() => real(value, negative),
        _ => Outcome::error(SYNTAX),
    }
}

/// `parse` of Rust: what Rust itself does.
pub fn rust(text: &[u8]) -> Outcome {
    let Ok(text) = std::str::from_utf8(text) else { return Outcome::error("panics") };
    match text.parse::<f64>() {
        Ok(value) => real(value, false),
        Err(_) => Outcome::error("ParseFloatError"),
    }
}

/// A text as a number in Perl: blanks, a sign, `inf`, `nan` or the decimal number at its start.
pub fn perl(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    if begins(number, "inf") {
        return real(f64::INFINITY, negative);
    }
    if begins(number, "nan") {
        return real(f64::NAN, negative);
    }
    match decimal(number) {
        // Adding 0 leaves no zero below zero.
        Some(found) if value(&number[..found.length]) == 0.0 => real(0.0, false),
        Some(found) => real(value(&number[..found.length]), negative),
        None => real(0.0, false),
    }
}

/// `(float)` of PHP: blanks, a sign, the decimal number at the start.
pub fn php(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    match decimal(number) {
        Some(found) => real(value(&number[..found.length]), negative),
        None => real(0.0, false),
    }
}

/// `parseFloat` of JavaScript: blanks, a sign, `Infinity` or the decimal number at the start.
pub fn javascript_parse_float(text: &[u8]) -> Outcome {
    let text = String::from_utf8_lossy(text);
    let text = text.trim_start_matches(javascript_blank).as_bytes();
    let (negative, signs) = sign(text);
    let number = &text[signs..];
    if number.starts_with(b"Infinity") {
        return real(f64::INFINITY, negative);
    }
    let found = decimal(number).map(|found| value(&number[..found.length]));
    real(found.unwrap_or(f64::NAN), negative)
}

/// `Number` of JavaScript: blanks around; nothing is 0; a decimal number with a sign, or digits behind
/// `0x`, `0o`, `0b` without one (ECMA-262 7.1.4.1).
pub fn javascript_number(text: &[u8]) -> Outcome {
    let text = String::from_utf8_lossy(text);
    let text = text.trim_matches(javascript_blank).as_bytes();
    let radix = match text {
        [] => return real(0.0, false),
        [b'0', b'x' | b'X', ..] => Some(4),
        [b'0', b'o' | b'O', ..] => Some(3),
        [b'0', b'b' | b'B', ..] => Some(1),
        _ => None,
    };
    if let Some(bits) = radix {
        let number = &text[2..];
        let is_whole = !number.is_empty() && digits(number, 1 << bits) == number.len();
        return real(if is_whole { of_bits(number, bits) } else { f64::NAN }, false);
    }
    let (negative, signs) = sign(text);
    let number = &text[signs..];
    if number == b"Infinity" {
        return real(f64::INFINITY, negative);
    }
    match decimal(number) {
        Some(found) if found.length == number.len() => real(value(number), negative),
        _ => real(f64::NAN, false),
    }
}

/// Digits of so many bits each as a number, rounded to the nearest.
fn of_bits(number: &[u8], bits: usize) -> f64 {
    let mut all = String::new();
    for byte in number {
        let digit = char::from(*byte).to_digit(16).unwrap_or(0);
        all.push_str(&format!("{digit:0bits$b}"));
    }
    // Groups of four bits from the right are hexadecimal digits.
    let missing = (4 - all.len() % 4) % 4;
    let padded = format!("{}{all}", "0".repeat(missing));
    let groups = padded.as_bytes().chunks(4).map(|group| {
        let value = group.iter().fold(0, |value, bit| value * 2 + u32::from(bit - b'0'));
        char::from_digit(value, 16).unwrap_or('0')
    });
    let text: String = groups.collect();
    hexadecimal(text.as_bytes(), false).map_or(f64::NAN, |(_, value)| value)
}

/// `to_f` of Ruby: blanks, a sign, a decimal number with single underscores between its digits, or
/// hexadecimal digits; the rest is passed over.
pub fn ruby_to_f(text: &[u8]) -> Outcome {
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    // Behind a sign `0x` counts; without one it does not (observed in Ruby 3.1).
    if signs > 0 && begins(number, "0x") {
        let found = ruby_hexadecimal(&between_digits(&number[2..]));
        return found.map_or(real(0.0, false), |(_, value)| real(value, negative));
    }
    let (plain, used) = ruby_decimal(number);
    if plain.is_empty() {
        return real(0.0, false);
    }
    if used == number.len() && !number.contains(&b'_') {
        return real(value(&plain), negative);
    }
    // With anything behind the number or inside it, Ruby reads a copy of so many characters, of the zeros
    // at its start only the last (observed in Ruby 3.1: ("1" * 61 + "x").to_f).
    let behind = &plain[plain.windows(2).take_while(|two| *two == b"00").count()..];
    let kept = behind.len().min(RUBY_COPY - signs);
    real(value(&behind[..kept]), negative)
}

/// How many characters of a number Ruby's `to_f` copies.
const RUBY_COPY: usize = 60;

/// `Float` of Ruby: blanks around, and nothing but a number.
pub fn ruby_float(text: &[u8]) -> Outcome {
    const ERROR: &str = "ArgumentError";
    let start = blanks(text);
    let (negative, signs) = sign(&text[start..]);
    let number = &text[start + signs..];
    let behind = number.iter().rev().take_while(|byte| blanks(&[**byte]) == 1).count();
    let number = &number[..number.len() - behind];
    if begins(number, "0x") {
        let plain = without_underscores(number);
        let found = plain.and_then(|plain| {
            ruby_hexadecimal(&plain[2..]).filter(|(length, _)| length + 2 == plain.len())
        });
        return found.map_or(Outcome::error(ERROR), |(_, value)| real(value, negative));
    }
    let (plain, length) = ruby_decimal(number);
    match !plain.is_empty() && length == number.len() {
        true => real(value(&plain), negative),
        false => Outcome::error(ERROR),
    }
}

/// A text without its underscores between decimal digits, up to the first that stands elsewhere.
fn between_digits(text: &[u8]) -> Vec<u8> {
    let mut out: Vec<u8> = Vec::with_capacity(text.len());
    for (at, &byte) in text.iter().enumerate() {
        let follows = out.last().is_some_and(u8::is_ascii_digit);
        match byte {
            b'_' if follows && text.get(at + 1).is_some_and(u8::is_ascii_digit) => {}
            b'_' => break,
            byte => out.push(byte),
        }
    }
    out
}

/// Hexadecimal digits as Ruby reads them: a point wants digits on both sides and an exponent behind
/// them. Each digit is added to a double, so that those beyond its 53 bits are rounded one by one.
fn ruby_hexadecimal(text: &[u8]) -> Option<(usize, f64)> {
    let whole = digits(text, 16);
    let has_point = text.get(whole) == Some(&b'.');
    let fraction = if has_point { digits(&text[whole + 1..], 16) } else { 0 };
    let length = whole + usize::from(has_point) + fraction;
    let has_letter = text.get(length).is_some_and(|byte| byte.eq_ignore_ascii_case(&b'p'));
    let power = exponent(&text[length..], b'p');
    if whole == 0 || (has_point && fraction == 0) || (power == 0 && (has_point || has_letter)) {
        return None;
    }
    let (mut value, mut place) = (0.0, 1.0);
    let significant = text[..whole].iter().take_while(|byte| **byte == b'0').count();
    for byte in text[significant..length].iter().filter(|byte| **byte != b'.') {
        value += place * f64::from(char::from(*byte).to_digit(16).unwrap_or(0));
        place /= 16.0;
    }
    let shift = if power > 0 { clamped(&text[length + 1..length + power]) } else { 0 };
    let shift = shift + 4 * (whole - significant) as i64 - 4;
    Some((length + power, scaled(value, shift)))
}

/// A number times two to some power, rounded once.
fn scaled(value: f64, power: i64) -> f64 {
    match value == 0.0 {
        true => value,
        false => rounded(value_bits(value).0, value_bits(value).1 + power, false),
    }
}

/// The mantissa and the exponent of a positive double.
fn value_bits(value: f64) -> (u64, i64) {
    let bits = value.to_bits();
    match (bits >> 52) & 0x7ff {
        0 => (bits & ((1 << 52) - 1), -1074),
        biased => (bits & ((1 << 52) - 1) | 1 << 52, biased as i64 - 1075),
    }
}

/// A decimal number as Ruby reads it, without its underscores, and its length: digits have to follow a
/// point.
fn ruby_decimal(text: &[u8]) -> (Vec<u8>, usize) {
    let run = |text: &[u8]| {
        let (mut at, mut length) = (0, 0);
        while at < text.len() {
            match text[at] {
                byte if byte.is_ascii_digit() => {
                    at += 1;
                    length = at;
                }
                b'_' if at > 0 && length == at => at += 1,
                _ => break,
            }
        }
        length
    };
    let mut length = run(text);
    if text.get(length) == Some(&b'.') {
        let fraction = run(&text[length + 1..]);
        if fraction > 0 {
            length += 1 + fraction;
        }
    }
    if length == 0 {
        return (Vec::new(), 0);
    }
    if text.get(length).is_some_and(|byte| byte.eq_ignore_ascii_case(&b'e')) {
        let (_, signs) = sign(&text[length + 1..]);
        let power = run(&text[length + 1 + signs..]);
        if power > 0 {
            length += 1 + signs + power;
        }
    }
    (text[..length].iter().copied().filter(|byte| *byte != b'_').collect(), length)
}
