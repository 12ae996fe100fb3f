//! The functions of arithmetic expressions.

use rustc_apfloat::Round;

use crate::real::Real;

/// A function of one number, as in C: its name, and what it does.
type Named = (&'static str, fn(Real) -> Real);

/// One of the functions that there are.
pub type Function = &'static Named;

/// The functions of one number; observed in ksh93u+m.
pub(super) const FUNCTIONS: &[Named] = &[
    ("abs", Real::absolute),
    ("acos", |x| x.by(f64::acos)),
    ("asin", |x| x.by(f64::asin)),
    ("atan", |x| x.by(f64::atan)),
    ("cbrt", |x| x.by(f64::cbrt)),
    ("ceil", |x| x.to_whole(Round::TowardPositive)),
    ("cos", |x| x.by(f64::cos)),
    ("cosh", |x| x.by(f64::cosh)),
    ("exp", |x| x.by(f64::exp)),
    ("fabs", Real::absolute),
    ("floor", |x| x.to_whole(Round::TowardNegative)),
    ("int", |x| x.to_whole(Round::TowardZero)),
    ("log", |x| x.by(f64::ln)),
    ("log10", |x| x.by(f64::log10)),
    ("log2", |x| x.by(f64::log2)),
    ("round", |x| x.to_whole(Round::NearestTiesToAway)),
    ("sin", |x| x.by(f64::sin)),
    ("sinh", |x| x.by(f64::sinh)),
    ("sqrt", Real::root),
    ("tan", |x| x.by(f64::tan)),
    ("tanh", |x| x.by(f64::tanh)),
    ("trunc", |x| x.to_whole(Round::TowardZero)),
];
