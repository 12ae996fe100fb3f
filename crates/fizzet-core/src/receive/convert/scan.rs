//! Pieces of numbers at the start of a text.

/// The length of the blanks that C takes for such in its own locale.
pub fn blanks(text: &[u8]) -> usize {
    text.iter().take_while(|byte| matches!(byte, b' ' | b'\t'..=b'\r')).count()
}

/// Whether a minus sign stands first, and the length of a sign.
pub fn sign(text: &[u8]) -> (bool, usize) {
    match text.first() {
        Some(b'-') => (true, 1),
        Some(b'+') => (false, 1),
        _ => (false, 0),
    }
}

/// The length of the digits of a base.
pub fn digits(text: &[u8], base: u32) -> usize {
    text.iter().take_while(|byte| char::from(**byte).is_digit(base)).count()
}

/// Whether a text begins with a word, whatever its case.
pub fn begins(text: &[u8], word: &str) -> bool {
    text.len() >= word.len() && text[..word.len()].eq_ignore_ascii_case(word.as_bytes())
}

/// What stands at the start of a decimal number.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Decimal {
    /// Its length.
    pub length: usize,
    /// Whether it has a point or an exponent.
    pub is_real: bool,
}

/// A decimal number without a sign: digits with a point among them, and an exponent if it has digits.
pub fn decimal(text: &[u8]) -> Option<Decimal> {
    let whole = digits(text, 10);
    let mut length = whole;
    let mut is_real = false;
    if text.get(whole) == Some(&b'.') {
        let fraction = digits(&text[whole + 1..], 10);
        if whole + fraction == 0 {
            return None;
        }
        length += 1 + fraction;
        is_real = true;
    } else if whole == 0 {
        return None;
    }
    let exponent = exponent(&text[length..], b'e');
    Some(Decimal { length: length + exponent, is_real: is_real || exponent > 0 })
}

/// The length of an exponent that begins with a letter of either case; 0 where there is none.
pub fn exponent(text: &[u8], letter: u8) -> usize {
    if !text.first().is_some_and(|byte| byte.eq_ignore_ascii_case(&letter)) {
        return 0;
    }
    let (_, sign) = sign(&text[1..]);
    match digits(&text[1 + sign..], 10) {
        0 => 0,
        digits => 1 + sign + digits,
    }
}

/// The value of a decimal number that is nothing else, rounded to the nearest.
pub fn value(decimal: &[u8]) -> f64 {
    std::str::from_utf8(decimal).ok().and_then(|text| text.parse().ok()).unwrap_or(f64::NAN)
}

/// A hexadecimal number without a sign and without `0x`: its length and its value, rounded to the nearest.
/// The exponent, a power of two, may be wanted.
pub fn hexadecimal(text: &[u8], wants_exponent: bool) -> Option<(usize, f64)> {
    let whole = digits(text, 16);
    let mut length = whole;
    let mut fraction = &text[..0];
    if text.get(whole) == Some(&b'.') {
        fraction = &text[whole + 1..][..digits(&text[whole + 1..], 16)];
        length += 1 + fraction.len();
    }
    if whole + fraction.len() == 0 {
        return None;
    }
    let power = exponent(&text[length..], b'p');
    if power == 0 && wants_exponent {
        return None;
    }
    let shift = match power {
        0 => 0,
        _ => clamped(&text[length + 1..length + power]),
    };
    let value = binary(&text[..whole], fraction, shift);
    Some((length + power, value))
}

/// A whole number with a sign, or what is farthest of what can matter.
pub(super) fn clamped(text: &[u8]) -> i64 {
    let (negative, sign) = sign(text);
    let most = 1_i64 << 40;
    let value = text[sign..]
        .iter()
        .fold(0, |value: i64, byte| (value * 10 + i64::from(byte - b'0')).min(most));
    if negative { -value } else { value }
}

/// `whole.fraction` in hexadecimal times two to the power of `shift`, rounded to the nearest, ties to even.
fn binary(whole: &[u8], fraction: &[u8], shift: i64) -> f64 {
    let mut mantissa: u64 = 0;
    let mut exponent = shift;
    let mut sticky = false;
    for (at, byte) in whole.iter().chain(fraction).enumerate() {
        let digit = u64::from(char::from(*byte).to_digit(16).unwrap_or(0));
        let is_fraction = at >= whole.len();
        if mantissa >> 59 == 0 {
            mantissa = mantissa << 4 | digit;
            exponent -= if is_fraction { 4 } else { 0 };
        } else {
            sticky |= digit != 0;
            exponent += if is_fraction { 0 } else { 4 };
        }
    }
    rounded(mantissa, exponent, sticky)
}

/// `mantissa` times two to the power of `exponent`, rounded to the nearest, ties to even; `sticky` says
/// that something more stands behind it.
pub(super) fn rounded(mantissa: u64, exponent: i64, sticky: bool) -> f64 {
    if mantissa == 0 {
        return 0.0;
    }
    let top = 63 - i64::from(mantissa.leading_zeros());
    // The place value of the lowest bit that a double can hold.
    let lowest = (exponent + top - 52).max(-1074);
    let drop = lowest - exponent;
    let kept = if drop <= 0 {
        mantissa << (-drop).min(63)
    } else if drop > 64 {
        0
    } else {
        let wide = u128::from(mantissa);
        let kept = wide >> drop;
        let rest = wide & ((1 << drop) - 1);
        let half = 1_u128 << (drop - 1);
        let up = rest > half || (rest == half && (sticky || kept & 1 == 1));
        (kept + u128::from(up)) as u64
    };
    if lowest > 1023 - 52 {
        return f64::INFINITY;
    }
    // `kept` has at most 53 bits, so that each step is exact or rounds to infinity.
    let half = lowest / 2;
    kept as f64 * 2_f64.powi(half as i32) * 2_f64.powi((lowest - half) as i32)
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{decimal, hexadecimal};

    #[test]
    fn hexadecimal_numbers_are_rounded_to_the_nearest() {
        let value = |text: &str| hexadecimal(text.as_bytes(), false).unwrap().1;
        assert_eq!(value("1.8p1"), 3.0);
        assert_eq!(value("1p-1074"), f64::from_bits(1));
        assert_eq!(value("1p-1075"), 0.0);
        assert_eq!(value("1.8p-1075"), f64::from_bits(1));
        assert_eq!(value("1.fffffffffffff8p1023"), f64::INFINITY);
        assert_eq!(value("1.fffffffffffff7p1023"), f64::MAX);
        assert_eq!(value("10000000000000000000000001"), 2_f64.powi(100));
        assert_eq!(hexadecimal(b"1.8", true), None);
        assert_eq!(hexadecimal(b".p1", false), None);
    }

    proptest! {
        #[test]
        fn a_double_in_hexadecimal_is_itself(bits in any::<u64>()) {
            let double = f64::from_bits(bits & !(1 << 63));
            prop_assume!(double.is_finite());
            let (mantissa, exponent) = match (bits >> 52) & 0x7ff {
                0 => (bits & ((1 << 52) - 1), -1074),
                biased => (bits & ((1 << 52) - 1) | 1 << 52, biased as i64 - 1075),
            };
            let text = format!("{mantissa:x}p{exponent}");
            prop_assert_eq!(hexadecimal(text.as_bytes(), true).unwrap().1, double);
        }

        #[test]
        fn a_decimal_ends_inside_the_text(text in "[0-9.eE+-]{0,12}") {
            if let Some(found) = decimal(text.as_bytes()) {
                prop_assert!(found.length <= text.len());
                prop_assert!(!super::value(&text.as_bytes()[..found.length]).is_nan());
            }
        }
    }
}
