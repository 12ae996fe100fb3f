//! The numbers of arithmetic: whole ones, and reals in the shells that have them.

use crate::dialect::Dialect;
use crate::dialect::Reals;
use crate::real::{Format, Real};
use crate::syntax::arithmetic::Showing;

/// A number.
#[derive(Clone, Copy, PartialEq, Debug)]
pub(crate) enum Number {
    Whole(i64),
    /// The whole number 0 with a minus sign, which is seen only where it is stored (ksh93).
    MinusZero,
    Real(Real),
    /// Nobody knows it: the value of a variable like RANDOM, or what was computed with one.
    Unknown,
}

impl Default for Number {
    fn default() -> Number {
        Number::Whole(0)
    }
}

impl Number {
    pub(super) fn is_zero(self) -> bool {
        match self {
            Number::Whole(value) => value == 0,
            Number::Real(value) => value.is_zero(),
            Number::MinusZero | Number::Unknown => true,
        }
    }

    /// The whole number, 0 if it is not known; what is behind the point cut off.
    pub(super) fn whole(self) -> i64 {
        match self {
            Number::Whole(value) => value,
            Number::Real(value) => value.cut(),
            Number::MinusZero | Number::Unknown => 0,
        }
    }

    /// The number as a real, in the format of the shell's reals.
    pub(super) fn real(self, extended: bool) -> Real {
        match self {
            Number::Whole(value) => Real::whole(value, extended),
            Number::Real(value) => value,
            Number::MinusZero => Real::whole(0, extended).negated(),
            Number::Unknown => Real::whole(0, extended),
        }
    }

    /// As the shell shows it.
    pub(super) fn shown(self, reals: Reals) -> String {
        match self {
            Number::Whole(value) => value.to_string(),
            Number::MinusZero => "0".into(),
            Number::Real(value) if reals == Reals::PointStays => with_point(value),
            Number::Real(value) => plain(value),
            Number::Unknown => String::new(),
        }
    }
}

impl Number {
    /// Whether it has a minus sign.
    pub(super) fn is_negative(self) -> bool {
        match self {
            Number::Whole(value) => value < 0,
            Number::MinusZero => true,
            Number::Real(value) => value.is_negative(),
            Number::Unknown => false,
        }
    }

    /// As zsh shows it behind `[#base_group]`.
    pub(super) fn shown_as(self, dialect: &Dialect, showing: Showing) -> String {
        let Number::Whole(value) = self else {
            let shown = self.shown(dialect.arithmetic_reals);
            let (whole, fraction) = shown.split_once('.').unwrap_or((&shown, ""));
            return format!(
                "{}.{}",
                grouped(whole, showing.group),
                groups(fraction, showing.group)
            );
        };
        let sign = if value < 0 { "-" } else { "" };
        let digits = in_base(value.unsigned_abs(), showing.base);
        let prefix = match showing.prefix && showing.base != 10 {
            true => match dialect.c_prefix(showing.base) {
                Some(prefix) => prefix.into(),
                None => format!("{}#", showing.base),
            },
            false => String::new(),
        };
        format!("{sign}{prefix}{}", grouped(&digits, showing.group))
    }
}

/// A number in a base up to 36.
fn in_base(mut value: u64, base: u32) -> String {
    let mut digits = Vec::new();
    loop {
        let digit = char::from_digit((value % u64::from(base)) as u32, base).unwrap_or('0');
        digits.push(digit.to_ascii_uppercase());
        value /= u64::from(base);
        if value == 0 {
            return digits.into_iter().rev().collect();
        }
    }
}

/// Digits with an underscore after each group, counted from the end.
fn grouped(digits: &str, group: usize) -> String {
    let (sign, digits) = digits.split_at(usize::from(digits.starts_with('-')));
    let first = if group == 0 { 0 } else { digits.len() % group };
    let (head, tail) = digits.split_at(first);
    let tail = groups(tail, group);
    let between = if head.is_empty() || tail.is_empty() { "" } else { "_" };
    format!("{sign}{head}{between}{tail}")
}

/// Digits with an underscore after each group.
fn groups(digits: &str, group: usize) -> String {
    if group == 0 {
        return digits.into();
    }
    let pieces: Vec<&str> =
        digits.as_bytes().chunks(group).map(|one| std::str::from_utf8(one).unwrap_or("")).collect();
    pieces.join("_")
}

impl From<bool> for Number {
    fn from(holds: bool) -> Number {
        Number::Whole(i64::from(holds))
    }
}

/// A real as the shell shows it.
pub(crate) fn shown_real(value: Real, reals: Reals) -> String {
    Number::Real(value).shown(reals)
}

/// As ksh93 shows a real: 18 digits, halves rounded up, and a whole number whole, which has no point.
fn plain(value: Real) -> String {
    match value.exact() {
        Some(0) if value.is_negative() => "-0".into(),
        Some(whole) => whole.to_string(),
        None => general(value, 18, true),
    }
}

/// As zsh shows a real: 17 digits, a point even behind a whole number, and capital infinities.
fn with_point(value: Real) -> String {
    let text = general(value, 17, false);
    match text.as_str() {
        "nan" | "-nan" => "NaN".into(),
        "inf" => "Inf".into(),
        "-inf" => "-Inf".into(),
        text if text.contains(['.', 'e']) => text.into(),
        text => format!("{text}."),
    }
}

/// `%.*g` of C, and how a number halfway between two is rounded.
fn general(value: Real, digits: usize, halves_up: bool) -> String {
    let sign = if value.is_negative() { "-" } else { "" };
    let format = Format { letter: b'g', precision: digits, keeps_zeros: false, halves_up };
    format!("{sign}{}", value.absolute().shown(format))
}

#[cfg(test)]
mod tests {
    use super::{Number, Real};
    use crate::dialect::Reals;

    #[test]
    fn reals_are_shown_as_c_does() {
        let shown = |value: f64, reals| {
            Number::Real(Real::of(value, reals == Reals::PointVanishes)).shown(reals)
        };
        assert_eq!(shown(2.5, Reals::PointVanishes), "2.5");
        assert_eq!(shown(3.0, Reals::PointVanishes), "3");
        assert_eq!(shown(9223372036854775808.0, Reals::PointVanishes), "9.22337203685477581e+18");
        assert_eq!(shown(1e20, Reals::PointVanishes), "1e+20");
        assert_eq!(shown(3.0, Reals::PointStays), "3.");
        assert_eq!(shown(1.0 / 3.0, Reals::PointStays), "0.33333333333333331");
        assert_eq!(shown(1e-7, Reals::PointStays), "9.9999999999999995e-08");
        assert_eq!(shown(1e-7, Reals::PointVanishes), "9.99999999999999955e-08");
        assert_eq!(shown(-0.0, Reals::PointStays), "-0.");
        assert_eq!(shown(f64::NEG_INFINITY, Reals::PointStays), "-Inf");
        assert_eq!(shown(f64::NAN, Reals::PointStays), "NaN");
        assert_eq!(shown(f64::NEG_INFINITY, Reals::PointVanishes), "-inf");
    }
}
