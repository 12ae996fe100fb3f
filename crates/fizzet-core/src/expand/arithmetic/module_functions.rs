//! The functions of expressions that zsh's module for them has (zshmodules, "The zsh/mathfunc Module"; observed in zsh
//! 5.9).

use crate::expand::number::Number;
use crate::real::Real;
use crate::syntax::functions::{Compute, FUNCTIONS};

/// The module.
pub(super) const MODULE: &[u8] = b"zsh/mathfunc";

/// Those that are as in ksh93.
const SHARED: &[&str] = &[
    "acos", "acosh", "asin", "asinh", "atan", "atanh", "cbrt", "ceil", "copysign", "cos", "cosh",
    "exp", "expm1", "fabs", "float", "floor", "fmod", "hypot", "log", "log10", "log1p", "log2",
    "rint", "sin", "sinh", "sqrt", "tan", "tanh",
];

/// Those whose values nobody computes here.
const UNKNOWN: &[&str] =
    &["erf", "erfc", "gamma", "j0", "j1", "jn", "lgamma", "rand48", "signgam", "y0", "y1", "yn"];

/// The value of a function for operands; `None` if there is no such function, or none of so many operands.
pub(super) fn value(name: &[u8], operands: &[Number]) -> Option<Number> {
    let name = std::str::from_utf8(name).ok()?;
    if UNKNOWN.contains(&name) || operands.contains(&Number::Unknown) {
        return Some(Number::Unknown);
    }
    let real = |number: &Number| number.real(false);
    let reals: Vec<Real> = operands.iter().map(real).collect();
    let double = |at: usize| reals.get(at).map(|real| real.double());
    let of = |value: f64| Number::Real(Real::of(value, false));
    Some(match (name, operands) {
        ("abs", [Number::Whole(value)]) => Number::Whole(value.wrapping_abs()),
        ("abs", [_]) => of(double(0)?.abs()),
        ("int", [_]) => Number::Whole(double(0)? as i64),
        ("atan", [_, _]) => of(double(0)?.atan2(double(1)?)),
        ("isnan", [_]) => Number::Whole(double(0)?.is_nan().into()),
        ("isinf", [_]) => Number::Whole(double(0)?.is_infinite().into()),
        ("ilogb", [_]) => Number::Whole(double(0)?.abs().log2().floor() as i64),
        ("logb", [_]) => of(double(0)?.abs().log2().floor()),
        ("ldexp" | "scalb", [_, _]) => of(double(0)? * double(1)?.trunc().exp2()),
        ("nextafter", [_, _]) => of(next_after(double(0)?, double(1)?)),
        (name, _) if SHARED.contains(&name) => {
            let (_, compute) = FUNCTIONS.iter().find(|(known, _)| *known == name)?;
            Number::Real(Compute::value(compute, &reals)?)
        }
        _ => return None,
    })
}

/// The next number on the way from one to another.
fn next_after(from: f64, to: f64) -> f64 {
    match from.partial_cmp(&to) {
        Some(std::cmp::Ordering::Less) => from.next_up(),
        Some(std::cmp::Ordering::Greater) => from.next_down(),
        _ => to,
    }
}
