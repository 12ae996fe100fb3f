//! Real numbers as shells compute with them: C's `double`, or the `long double` of x86-64, whose significand
//! has 64 bits. And their texts, as `printf` of C writes them.

use std::cmp::Ordering;

use rustc_apfloat::ieee::X87DoubleExtended;
use rustc_apfloat::{Float, Round};

/// A real number.
#[derive(Clone, Copy, Debug)]
pub enum Real {
    /// C's `double`.
    Double(f64),
    /// The `long double` of x86-64.
    Extended(Extended),
}

/// The 80 bits of a `long double`: sign and exponent, then the significand.
#[derive(Clone, Copy, Debug)]
pub struct Extended {
    head: u16,
    significand: u64,
}

/// What two reals can be joined by.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Operation {
    /// `+`
    Plus,
    /// `-`
    Minus,
    /// `*`
    Times,
    /// `/`
    Divide,
}

/// The bits of a real, without its sign.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Bits {
    /// 0.
    Zero,
    /// A `double` below the smallest that has all its digits: 64 bits behind the point.
    Small {
        /// The bits.
        fraction: u64,
        /// The power of two.
        exponent: i32,
    },
    /// Any other number: 64 bits, of which the first is 1 and stands before the point.
    Whole {
        /// The bits.
        significand: u64,
        /// The power of two.
        exponent: i32,
        /// Whether it is a `long double`.
        long: bool,
    },
}

/// How a real is written.
#[derive(Clone, Copy, Debug)]
pub struct Format {
    /// `f`, `e` or `g`, as in C; in capitals for capital letters.
    pub letter: u8,
    /// How many digits stand behind the point, or with `g` in all.
    pub precision: usize,
    /// Whether `g` keeps the zeros at the end, and the others a point with nothing behind it.
    pub keeps_zeros: bool,
    /// Whether a number halfway between two is rounded up, not to the even one.
    pub halves_up: bool,
}

/// How many digits are computed before a number is rounded to fewer; more is asked for by nobody.
const DIGITS: usize = 400;

impl Extended {
    fn float(self) -> X87DoubleExtended {
        X87DoubleExtended::from_bits(u128::from(self.head) << 64 | u128::from(self.significand))
    }

    fn of(value: X87DoubleExtended) -> Extended {
        let bits = value.to_bits();
        Extended { head: (bits >> 64) as u16, significand: bits as u64 }
    }

    fn of_double(value: f64) -> Extended {
        let double = rustc_apfloat::ieee::Double::from_bits(u128::from(value.to_bits()));
        Extended::of(rustc_apfloat::FloatConvert::convert(double, &mut false).value)
    }
}

/// The largest whole exponent for which a power is made of its factors.
const MOST_FACTORS: u64 = 16_384;

impl Real {
    /// A whole number as a real.
    pub fn whole(value: i64, extended: bool) -> Real {
        Real::wide(value.into(), extended)
    }

    fn wide(value: i128, extended: bool) -> Real {
        match extended {
            true => Real::Extended(Extended::of(X87DoubleExtended::from_i128(value).value)),
            false => Real::Double(value as f64),
        }
    }

    /// A `double` as a real.
    pub fn of(value: f64, extended: bool) -> Real {
        match extended {
            true => Real::Extended(Extended::of_double(value)),
            false => Real::Double(value),
        }
    }

    /// Digits with or without a point and an exponent, rounded to the nearest number; hexadecimal ones
    /// begin with `0x` and end in `p` and an exponent.
    pub fn parse(text: &str, extended: bool) -> Option<Real> {
        if !extended {
            return text.parse().ok().map(Real::Double);
        }
        let read = X87DoubleExtended::from_str_r(text, Round::NearestTiesToEven).ok()?;
        Some(Real::Extended(Extended::of(read.value)))
    }

    /// The bits of the number; `None` for what is no number and for what has no end.
    pub fn bits(self) -> Option<Bits> {
        if !self.is_finite() {
            return None;
        }
        if self.is_zero() {
            return Some(Bits::Zero);
        }
        match self {
            Real::Double(value) => {
                let bits = value.to_bits();
                let (power, fraction) = ((bits >> 52 & 0x7ff) as i32, bits << 12);
                Some(match power {
                    0 => Bits::Small { fraction, exponent: -1022 },
                    _ => Bits::Whole {
                        significand: 1 << 63 | fraction >> 1,
                        exponent: power - 1023,
                        long: false,
                    },
                })
            }
            Real::Extended(Extended { head, significand }) => {
                let shift = significand.leading_zeros();
                let exponent = i32::from(head & 0x7fff).max(1) - 16383 - shift as i32;
                Some(Bits::Whole { significand: significand << shift, exponent, long: true })
            }
        }
    }

    /// The nearest `double`.
    pub fn double(self) -> f64 {
        match self {
            Real::Double(value) => value,
            Real::Extended(value) => {
                let double: rustc_apfloat::ieee::Double =
                    rustc_apfloat::FloatConvert::convert(value.float(), &mut false).value;
                f64::from_bits(double.to_bits() as u64)
            }
        }
    }

    /// The whole number, what is behind the point cut off; x86-64 makes the smallest number of one that is
    /// too large.
    pub fn cut(self) -> i64 {
        let wide = match self {
            Real::Double(value) if value.is_nan() => i128::MIN,
            Real::Double(value) => value as i128,
            Real::Extended(value) if value.float().is_nan() => i128::MIN,
            Real::Extended(value) => value.float().to_i128(128).value,
        };
        i64::try_from(wide).unwrap_or(i64::MIN)
    }

    /// As [`Real::cut`], with the largest number for one that is too large.
    pub fn saturated(self) -> i64 {
        let extended = matches!(self, Real::Extended(_));
        if self > Real::whole(i64::MAX, extended) { i64::MAX } else { self.cut() }
    }

    /// Whether it is beyond the whole numbers of 64 bits: those with a sign, or with and without one.
    pub fn is_beyond(self, signed: bool) -> bool {
        let extended = matches!(self, Real::Extended(_));
        let most = if signed { i64::MAX.into() } else { u64::MAX.into() };
        self < Real::whole(i64::MIN, extended) || self > Real::wide(most, extended)
    }

    /// The whole number that this is exactly.
    pub fn exact(self) -> Option<i64> {
        let extended = matches!(self, Real::Extended(_));
        let whole = self.cut();
        let same = self.partial_cmp(&Real::whole(whole, extended)) == Some(Ordering::Equal);
        same.then_some(whole)
    }

    /// What a function of `double` makes of the number.
    pub fn by(self, function: fn(f64) -> f64) -> Real {
        Real::of(function(self.double()), matches!(self, Real::Extended(_)))
    }

    /// What a function of two `double`s makes of two numbers.
    pub fn with(self, other: Real, function: fn(f64, f64) -> f64) -> Real {
        Real::of(function(self.double(), other.double()), matches!(self, Real::Extended(_)))
    }

    /// The product.
    pub fn times(self, other: Real) -> Real {
        self.combined(Operation::Times, other)
    }

    /// The power: exact steps for whole exponents, that of `double` for others.
    pub fn power(self, exponent: Real) -> Real {
        let Some(count) = exponent.exact().filter(|count| count.unsigned_abs() <= MOST_FACTORS)
        else {
            return self.with(exponent, f64::powf);
        };
        let one = Real::whole(1, matches!(self, Real::Extended(_)));
        let product = (0..count.unsigned_abs()).fold(one, |product, _| product.times(self));
        if count < 0 { one.combined(Operation::Divide, product) } else { product }
    }

    /// What is left of a division whose result is cut off: `fmod` of C.
    pub fn rest(self, other: Real) -> Real {
        Real::Extended(Extended::of(self.extended().c_fmod(other.extended()).value))
    }

    /// What is left of a division whose result is the nearest whole number: `remainder` of C.
    pub fn nearest_rest(self, other: Real) -> Real {
        Real::Extended(Extended::of(self.extended().ieee_rem(other.extended()).value))
    }

    /// The whole number that is near in this way.
    pub fn to_whole(self, way: Round) -> Real {
        Real::Extended(Extended::of(self.extended().round_to_integral(way).value))
    }

    /// The square root: that of `double`, made better once by Newton's rule where more digits are held.
    pub fn root(self) -> Real {
        let near = self.by(f64::sqrt);
        if matches!(near, Real::Double(_)) || near.is_zero() || near.cut() == i64::MIN {
            return near;
        }
        let sum = near.combined(Operation::Plus, self.combined(Operation::Divide, near));
        sum.combined(Operation::Divide, Real::whole(2, true))
    }

    /// Whether this is a zero of either sign.
    pub fn is_zero(self) -> bool {
        match self {
            Real::Double(value) => value == 0.0,
            Real::Extended(value) => value.float().is_zero(),
        }
    }

    /// Whether this is a number, and not too large to be one.
    pub fn is_finite(self) -> bool {
        match self {
            Real::Double(value) => value.is_finite(),
            Real::Extended(value) => value.float().is_finite(),
        }
    }

    /// Whether the sign is a minus; zeros have signs.
    pub fn is_negative(self) -> bool {
        match self {
            Real::Double(value) => value.is_sign_negative(),
            Real::Extended(value) => value.head >> 15 == 1,
        }
    }

    /// The number with the other sign.
    pub fn negated(self) -> Real {
        match self {
            Real::Double(value) => Real::Double(-value),
            Real::Extended(value) => {
                Real::Extended(Extended { head: value.head ^ (1 << 15), ..value })
            }
        }
    }

    /// The number without its sign.
    pub fn absolute(self) -> Real {
        if self.is_negative() { self.negated() } else { self }
    }

    /// Two numbers joined; in the wider format, where they differ.
    pub fn combined(self, operation: Operation, other: Real) -> Real {
        let (left, right) = match (self, other) {
            (Real::Double(left), Real::Double(right)) => {
                return Real::Double(match operation {
                    Operation::Plus => left + right,
                    Operation::Minus => left - right,
                    Operation::Times => left * right,
                    Operation::Divide => left / right,
                });
            }
            (left, right) => (left.extended(), right.extended()),
        };
        let made = match operation {
            Operation::Plus => left + right,
            Operation::Minus => left - right,
            Operation::Times => left * right,
            Operation::Divide => left / right,
        };
        // The processor's own answer to what has none is negative.
        let fresh = made.value.is_nan() && !left.is_nan() && !right.is_nan();
        let value = Real::Extended(Extended::of(made.value));
        if fresh && !value.is_negative() { value.negated() } else { value }
    }

    fn extended(self) -> X87DoubleExtended {
        match self {
            Real::Double(value) => Extended::of_double(value).float(),
            Real::Extended(value) => value.float(),
        }
    }

    /// The digits of a number that has no sign, the first before the point, and the power of ten they are
    /// multiplied with; nothing for what is not finite.
    fn digits(self) -> Option<(String, i32)> {
        let written = match self {
            Real::Double(value) if value.is_finite() => format!("{value:.*e}", DIGITS),
            Real::Extended(value) if value.float().is_finite() => {
                format!("{:.*}", DIGITS, value.float())
            }
            _ => return None,
        };
        let (digits, exponent) = written.split_once(['e', 'E']).unwrap_or((&written, "0"));
        let (whole, fraction) = digits.split_once('.').unwrap_or((digits, ""));
        let all = [whole, fraction].concat();
        let zeros = all.bytes().take_while(|&byte| byte == b'0').count();
        if zeros == all.len() {
            return Some(("0".into(), 0));
        }
        let exponent = exponent.parse::<i32>().unwrap_or(0) + whole.len() as i32 - 1;
        Some((all[zeros..].into(), exponent - zeros as i32))
    }

    /// As `printf` of C writes a number without its sign.
    pub fn shown(self, format: Format) -> String {
        let precision = format.precision.min(DIGITS);
        let text = match self.digits() {
            None if self.partial_cmp(&self).is_none() => "nan".into(),
            None => "inf".into(),
            Some((digits, exponent)) => {
                let digits = Digits { digits, exponent, halves_up: format.halves_up };
                match format.letter.to_ascii_lowercase() {
                    b'f' if precision == 0 && format.keeps_zeros => digits.fixed(0) + ".",
                    b'f' => digits.fixed(precision),
                    b'e' => digits.scientific(precision, format.keeps_zeros),
                    _ => digits.general(precision.max(1), format.keeps_zeros),
                }
            }
        };
        if format.letter.is_ascii_uppercase() { text.to_uppercase() } else { text }
    }
}

impl PartialEq for Real {
    fn eq(&self, other: &Real) -> bool {
        self.partial_cmp(other) == Some(Ordering::Equal)
    }
}

impl PartialOrd for Real {
    fn partial_cmp(&self, other: &Real) -> Option<Ordering> {
        match (self, other) {
            (Real::Double(left), Real::Double(right)) => left.partial_cmp(right),
            (left, right) => left.extended().partial_cmp(&right.extended()),
        }
    }
}

/// The digits of a number, the first before the point, and the power of ten they are multiplied with.
struct Digits {
    digits: String,
    exponent: i32,
    halves_up: bool,
}

impl Digits {
    /// So many of the digits, rounded to the nearest number, and the power of ten, which grows where nines
    /// become a one.
    fn rounded(&self, count: usize) -> (String, i32) {
        let Some((kept, rest)) = self.digits.split_at_checked(count) else {
            return (format!("{:0<count$}", self.digits), self.exponent);
        };
        let up = match rest.as_bytes() {
            [b'5', rest @ ..] => {
                let odd = kept.bytes().last().is_some_and(|last| last % 2 == 1);
                self.halves_up || odd || rest.iter().any(|&byte| byte != b'0')
            }
            rest => rest.first().is_some_and(|&first| first > b'5'),
        };
        if !up {
            return (kept.into(), self.exponent);
        }
        let nines = kept.bytes().rev().take_while(|&byte| byte == b'9').count();
        let mut bytes = kept.as_bytes()[..count - nines].to_vec();
        let grown = bytes.is_empty();
        match bytes.last_mut() {
            Some(last) => *last += 1,
            None => bytes.push(b'1'),
        }
        let text: String = bytes.into_iter().map(char::from).collect();
        (format!("{text:0<count$}"), self.exponent + i32::from(grown))
    }

    fn fixed(&self, precision: usize) -> String {
        // The digits up to the last place; a number below that place has none.
        let count = usize::try_from(self.exponent + 1 + precision as i32);
        let (digits, exponent) = match count {
            Ok(count) if self.digits != "0" => self.rounded(count),
            _ => (String::new(), 0),
        };
        let places = usize::try_from(exponent + 1).unwrap_or(0);
        let lead = usize::try_from(-1 - exponent).unwrap_or(0);
        let whole = digits.get(..places).filter(|whole| !whole.is_empty()).unwrap_or("0");
        let fraction = "0".repeat(lead) + digits.get(places..).unwrap_or_default();
        match precision {
            0 => whole.into(),
            _ => format!("{whole}.{fraction:0<precision$.precision$}"),
        }
    }

    fn scientific(&self, precision: usize, keeps_point: bool) -> String {
        let (digits, exponent) = self.rounded(precision + 1);
        let sign = if exponent < 0 { '-' } else { '+' };
        let point = if precision > 0 || keeps_point { "." } else { "" };
        format!("{}{point}{}e{sign}{:02}", &digits[..1], &digits[1..], exponent.abs())
    }

    /// The shorter of the two.
    fn general(&self, precision: usize, keeps_zeros: bool) -> String {
        let exponent = self.rounded(precision).1;
        let text = match (-4..precision as i32).contains(&exponent) {
            true => self.fixed((precision as i32 - 1 - exponent).max(0) as usize),
            false => self.scientific(precision - 1, keeps_zeros),
        };
        if keeps_zeros || !text.contains('.') {
            return text;
        }
        match text.split_once('e') {
            Some((digits, exponent)) => format!("{}e{exponent}", trimmed(digits)),
            None => trimmed(&text).into(),
        }
    }
}

fn trimmed(digits: &str) -> &str {
    digits.trim_end_matches('0').trim_end_matches('.')
}

#[cfg(test)]
mod tests {
    use super::{Format, Operation, Real};

    fn form(letter: u8, precision: usize) -> Format {
        Format { letter, precision, keeps_zeros: false, halves_up: false }
    }

    fn double(value: f64, letter: u8, precision: usize) -> String {
        Real::Double(value).shown(form(letter, precision))
    }

    #[test]
    fn numbers_look_as_in_c() {
        assert_eq!(double(1.5, b'f', 6), "1.500000");
        assert_eq!(double(1000.0, b'e', 6), "1.000000e+03");
        assert_eq!(double(0.0001, b'g', 6), "0.0001");
        assert_eq!(double(0.00001, b'g', 6), "1e-05");
        assert_eq!(double(1e6, b'G', 6), "1E+06");
        assert_eq!(double(100_000.0, b'g', 6), "100000");
        assert_eq!(double(2.5, b'f', 0), "2");
        assert_eq!(double(9.96, b'f', 1), "10.0");
        assert_eq!(double(0.05, b'f', 1), "0.1");
        assert_eq!(double(0.04, b'f', 1), "0.0");
        assert_eq!(double(0.5, b'f', 0), "0");
        assert_eq!(double(0.6, b'f', 0), "1");
        assert_eq!(double(0.004, b'f', 1), "0.0");
        assert_eq!(double(0.0, b'e', 0), "0e+00");
        assert_eq!(double(f64::INFINITY, b'F', 6), "INF");
    }

    #[test]
    fn extended_numbers_hold_more_digits() {
        let real = |text| Real::parse(text, true).unwrap();
        let third = real("1").combined(Operation::Divide, real("3"));
        assert_eq!(third.shown(form(b'g', 18)), "0.333333333333333333");
        let large = real("1e300").combined(Operation::Times, real("1e300"));
        assert_eq!(large.shown(form(b'g', 18)), "1e+600");
        assert_eq!(real("9223372036854775807").exact(), Some(i64::MAX));
        assert_eq!(real("9223372036854775808").exact(), None);
        assert_eq!(real("1e30").cut(), i64::MIN);
        assert_eq!(real("0x1.8p1").exact(), Some(3));
    }

    #[test]
    fn fixed_points_agree_with_the_standard_library() {
        for value in [0.1, 2.675, 123.456, 1e15 / 3.0, 1e-5, 0.95, 999.9995, 5e-324] {
            for places in 1..30 {
                assert_eq!(double(value, b'f', places), format!("{value:.places$}"));
            }
        }
    }
}
