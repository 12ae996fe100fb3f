//! The numbers of arithmetic: whole ones, and reals in the shells that have them.

use crate::dialect::Reals;
use crate::expand::real;

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

/// As ksh93 shows a real: 18 digits, no point behind a whole number. Its reals hold more digits than
/// the ones here, so one that few digits write is shown with those.
fn plain(value: f64) -> String {
    if value.fract() == 0.0 && value.abs() < 1e18 {
        return format!("{value:.0}");
    }
    let shortest = format!("{value:e}");
    let mantissa = shortest.split('e').next().unwrap_or_default();
    let few = mantissa.bytes().filter(u8::is_ascii_digit).count() <= 15;
    general(value, if few { 15 } else { 18 })
}

/// As zsh shows a real: 17 digits, a point even behind a whole number, and capital infinities.
fn with_point(value: f64) -> String {
    if value.is_nan() {
        return "NaN".into();
    }
    if value.is_infinite() {
        return if value < 0.0 { "-Inf".into() } else { "Inf".into() };
    }
    let text = general(value, 17);
    match text.contains(['.', 'e']) {
        true => text,
        false => text + ".",
    }
}

/// `%.*g` of C.
fn general(value: f64, digits: usize) -> String {
    let sign = if value.is_sign_negative() { "-" } else { "" };
    format!("{sign}{}", real::shown(value.abs(), b'g', Some(digits), false))
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
        assert_eq!(shown(1e-7, Reals::PointStays), "9.9999999999999995e-08");
        assert_eq!(shown(1e-7, Reals::PointVanishes), "1e-07");
        assert_eq!(shown(-0.0, Reals::PointStays), "-0.");
        assert_eq!(shown(f64::NEG_INFINITY, Reals::PointStays), "-Inf");
        assert_eq!(shown(f64::NAN, Reals::PointStays), "NaN");
        assert_eq!(shown(f64::NEG_INFINITY, Reals::PointVanishes), "-inf");
    }
}
