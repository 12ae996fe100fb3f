//! Reals as `%a` of `printf` writes them: the digits of the significand to the base 16, and the power of
//! two they are multiplied with (ISO C 7.21.6.1; how glibc and ksh93 choose the first digit was observed).

use crate::real::{Bits, Real};

/// How the digits are chosen.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum HexDigits {
    /// As glibc has it: as many as are needed, the first digit 1 of a `double`, 8 to f of a `long double`.
    Needed,
    /// As ksh93 has it: the first digit is 1, and 28 come behind the point.
    Many,
}

/// How many digits ksh93 writes behind the point.
const MANY: usize = 28;
/// The most digits that are written behind the point.
const MOST: usize = 400;

/// The text of a number without its sign and without the `0x` before it; `None` for what is no number and
/// for what has no end.
pub fn real_in_hexadecimal(
    value: Real,
    style: HexDigits,
    precision: Option<usize>,
    keeps_point: bool,
) -> Option<String> {
    let (lead, fraction, mut exponent) = match value.bits()? {
        Bits::Zero => (0, 0, 0),
        Bits::Small { fraction, exponent } => (0, fraction, exponent),
        Bits::Whole { significand, exponent, long } if long && style == HexDigits::Needed => {
            (significand >> 60, significand << 4, exponent - 3)
        }
        Bits::Whole { significand, exponent, .. } => (1, significand << 1, exponent),
    };
    let wanted = match style {
        HexDigits::Many => Some(precision.unwrap_or(MANY)),
        HexDigits::Needed => precision,
    };
    let (mut lead, fraction) = match wanted {
        Some(count) if count < 16 => rounded(lead, fraction, count),
        _ => (lead, fraction),
    };
    let carries = lead == 16 || (lead == 2 && style == HexDigits::Many);
    if carries {
        exponent += if lead == 16 { 4 } else { 1 };
        lead = 1;
    }
    let digits = format!("{fraction:016x}");
    let digits = match wanted.map(|count| count.min(MOST)) {
        None => digits.trim_end_matches('0').to_string(),
        Some(count) => format!("{digits:0<count$.count$}"),
    };
    let point = if digits.is_empty() && !keeps_point { "" } else { "." };
    Some(format!("{lead:x}{point}{digits}p{exponent:+}"))
}

/// The first digit and 64 bits behind the point, rounded to so many digits; one halfway goes to the even one.
fn rounded(lead: u64, fraction: u64, count: usize) -> (u64, u64) {
    let drop = 64 - 4 * count as u32;
    let whole = u128::from(lead) << 64 | u128::from(fraction);
    let (kept, rest) = (whole >> drop, whole & ((1 << drop) - 1));
    let half = 1u128 << (drop - 1);
    let up = rest > half || (rest == half && kept & 1 == 1);
    let kept = (kept + u128::from(up)) << drop;
    ((kept >> 64) as u64, kept as u64)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn shown(value: f64, long: bool, precision: Option<usize>) -> String {
        real_in_hexadecimal(Real::of(value, long), HexDigits::Needed, precision, false)
            .unwrap_or_default()
    }

    #[test]
    fn writes_as_glibc_does() {
        let double = ["0p+0", "1p+0", "1.d99999999999ap+1", "1.4f8b588e368f1p-17"];
        let long = ["0p+0", "8p-3", "e.cccccccccccdp-2", "a.7c5ac471b4788p-20"];
        for (at, value) in [0.0, 1.0, 3.7, 1e-5].into_iter().enumerate() {
            assert_eq!(shown(value, false, None), double[at]);
            assert_eq!(shown(value, true, None), long[at]);
        }
        assert_eq!(shown(3.7, false, Some(0)), "2p+1");
        assert_eq!(shown(0.1, true, Some(3)), "c.ccdp-7");
        assert_eq!(shown(5e-324, false, None), "0.0000000000001p-1022");
    }

    #[test]
    fn writes_as_ksh93_does() {
        let text = real_in_hexadecimal(Real::of(1.5, true), HexDigits::Many, Some(0), true);
        assert_eq!(text.as_deref(), Some("1.p+1"));
        let text = real_in_hexadecimal(Real::of(1.5, true), HexDigits::Many, None, false);
        assert_eq!(text.as_deref(), Some("1.8000000000000000000000000000p+0"));
    }
}
