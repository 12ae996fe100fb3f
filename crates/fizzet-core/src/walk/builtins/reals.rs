//! Reals among the arguments of `printf`.

use crate::real::Real;
use crate::receive::convert::{Value, real::strtod};

/// The real that C's `strtod` or `strtold` finds at the start of a text, the length of what it takes, and
/// whether the number is out of range.
pub(super) fn at_start(text: &[u8], extended: bool) -> (Real, usize, bool) {
    let found = strtod(text);
    let length = found.stops.unwrap_or(0);
    let double = match found.value {
        Ok(Value::Real(value)) => value,
        _ => 0.0,
    };
    let written = String::from_utf8_lossy(&text[..length]).trim().to_ascii_lowercase();
    let digits = written.trim_start_matches(['-', '+']);
    let is_written_out = digits.starts_with(|first: char| first.is_ascii_digit() || first == '.');
    if !extended || !is_written_out {
        return (Real::of(double, extended), length, found.out_of_range);
    }
    let exponent = if digits.starts_with("0x") && !digits.contains('p') { "p0" } else { "" };
    let value = Real::parse(&format!("{digits}{exponent}"), true).unwrap_or(Real::whole(0, true));
    let mantissa = digits.split(['e', 'p']).next().unwrap_or_default();
    let vanishes = value.is_zero() && mantissa.bytes().any(|byte| (b'1'..=b'9').contains(&byte));
    let out_of_range = vanishes || !value.is_finite();
    (if written.starts_with('-') { value.negated() } else { value }, length, out_of_range)
}
