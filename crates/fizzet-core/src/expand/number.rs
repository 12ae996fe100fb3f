//! The numbers of arithmetic: whole ones, and reals in the shells that have them.

use crate::dialect::Reals;

/// A number.
#[derive(Clone, Copy, PartialEq, Debug)]
pub(super) enum Number {
    Whole(i64),
    Real(f64),
}

impl Number {
    pub(super) fn is_zero(self) -> bool {
        match self {
            Number::Whole(value) => value == 0,
            Number::Real(value) => value == 0.0,
        }
    }

    /// The whole number, what is behind the point cut off.
    pub(super) fn whole(self) -> i64 {
        match self {
            Number::Whole(value) => value,
            Number::Real(value) => value as i64,
        }
    }

    pub(super) fn real(self) -> f64 {
        match self {
            Number::Whole(value) => value as f64,
            Number::Real(value) => value,
        }
    }

    /// As the shell shows it.
    pub(super) fn shown(self, reals: Reals) -> String {
        match self {
            Number::Whole(value) => value.to_string(),
            Number::Real(value) if reals == Reals::PointStays => with_point(value),
            Number::Real(value) => plain(value),
        }
    }
}

impl From<bool> for Number {
    fn from(holds: bool) -> Number {
        Number::Whole(i64::from(holds))
    }
}

/// As ksh93 shows a real: 18 digits, no point behind a whole number.
fn plain(value: f64) -> String {
    if value.fract() == 0.0 && value.abs() < 1e18 {
        return format!("{value:.0}");
    }
    general(value, 18)
}

/// As zsh shows a real: 17 digits, and a point even behind a whole number.
fn with_point(value: f64) -> String {
    let text = general(value, 17);
    match text.contains(['.', 'e', 'n', 'i']) {
        true => text,
        false => text + ".",
    }
}

/// `%.*g` of C; a number that few digits write exactly is written with those.
fn general(value: f64, digits: usize) -> String {
    if !value.is_finite() {
        let name = if value.is_nan() { "nan" } else { "inf" };
        return if value < 0.0 { format!("-{name}") } else { name.into() };
    }
    let short = format!("{value:e}");
    let few = short.bytes().filter(u8::is_ascii_digit).count() <= 15 && digits > 17;
    let text = if few { short } else { format!("{value:.*e}", digits - 1) };
    let (mantissa, exponent) = text.split_once('e').unwrap_or((&text, "0"));
    let exponent: i32 = exponent.parse().unwrap_or(0);
    let mantissa = match mantissa.contains('.') {
        true => mantissa.trim_end_matches('0').trim_end_matches('.'),
        false => mantissa,
    };
    if exponent < -4 || exponent >= digits as i32 {
        let sign = if exponent < 0 { '-' } else { '+' };
        return format!("{mantissa}e{sign}{:02}", exponent.abs());
    }
    let places = (mantissa.bytes().filter(u8::is_ascii_digit).count() as i32 - 1 - exponent).max(0);
    format!("{value:.*}", places as usize)
}

#[cfg(test)]
mod tests {
    use super::Number;
    use crate::dialect::Reals;

    #[test]
    fn reals_are_shown_as_c_does() {
        let shown = |value: f64, reals| Number::Real(value).shown(reals);
        assert_eq!(shown(2.5, Reals::PointVanishes), "2.5");
        assert_eq!(shown(3.0, Reals::PointVanishes), "3");
        assert_eq!(shown(9223372036854775808.0, Reals::PointVanishes), "9.22337203685477581e+18");
        assert_eq!(shown(1e20, Reals::PointVanishes), "1e+20");
        assert_eq!(shown(3.0, Reals::PointStays), "3.");
        assert_eq!(shown(1.0 / 3.0, Reals::PointStays), "0.33333333333333331");
    }
}
