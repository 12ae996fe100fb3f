//! The functions of arithmetic expressions.

use rustc_apfloat::Round;

use crate::real::{Operation, Real};

/// What a function does with its arguments.
#[derive(Debug)]
pub enum Compute {
    /// It takes one.
    One(fn(Real) -> Real),
    /// It takes two.
    Two(fn(Real, Real) -> Real),
    /// It takes three.
    Three(fn(Real, Real, Real) -> Real),
}

/// A function of numbers, as in C: its name, and what it does.
type Named = (&'static str, Compute);

/// One of the functions that there are.
pub type Function = &'static Named;

impl Compute {
    /// How many arguments it takes.
    pub(super) fn arity(&self) -> usize {
        match self {
            Compute::One(_) => 1,
            Compute::Two(_) => 2,
            Compute::Three(_) => 3,
        }
    }

    /// The value for as many arguments as it takes; `None` for another number of them.
    pub(crate) fn value(&self, arguments: &[Real]) -> Option<Real> {
        Some(match (self, arguments) {
            (Compute::One(compute), &[x]) => compute(x),
            (Compute::Two(compute), &[x, y]) => compute(x, y),
            (Compute::Three(compute), &[x, y, z]) => compute(x, y, z),
            _ => return None,
        })
    }
}

use Compute::{One, Three, Two};

/// The functions; observed in ksh93u+m.
pub(crate) const FUNCTIONS: &[Named] = &[
    ("abs", One(Real::absolute)),
    ("acos", One(|x| x.by(f64::acos))),
    ("acosh", One(|x| x.by(f64::acosh))),
    ("asin", One(|x| x.by(f64::asin))),
    ("asinh", One(|x| x.by(f64::asinh))),
    ("atan", One(|x| x.by(f64::atan))),
    ("atan2", Two(|x, y| x.with(y, f64::atan2))),
    ("atanh", One(|x| x.by(f64::atanh))),
    ("cbrt", One(|x| x.by(f64::cbrt))),
    ("ceil", One(|x| x.to_whole(Round::TowardPositive))),
    ("copysign", Two(|x, y| if x.is_negative() == y.is_negative() { x } else { x.negated() })),
    ("cos", One(|x| x.by(f64::cos))),
    ("cosh", One(|x| x.by(f64::cosh))),
    ("exp", One(|x| x.by(f64::exp))),
    ("exp2", One(|x| x.by(f64::exp2))),
    ("expm1", One(|x| x.by(f64::exp_m1))),
    ("fabs", One(Real::absolute)),
    (
        "fdim",
        Two(|x, y| if x > y { x.combined(Operation::Minus, y) } else { Real::whole(0, true) }),
    ),
    ("float", One(|x| x)),
    ("floor", One(|x| x.to_whole(Round::TowardNegative))),
    ("fma", Three(|x, y, z| x.times(y).combined(Operation::Plus, z))),
    ("fmax", Two(|x, y| if x < y { y } else { x })),
    ("fmin", Two(|x, y| if y < x { y } else { x })),
    ("fmod", Two(Real::rest)),
    ("hypot", Two(|x, y| x.times(x).combined(Operation::Plus, y.times(y)).root())),
    ("int", One(|x| x.to_whole(Round::TowardZero))),
    ("log", One(|x| x.by(f64::ln))),
    ("log10", One(|x| x.by(f64::log10))),
    ("log1p", One(|x| x.by(f64::ln_1p))),
    ("log2", One(|x| x.by(f64::log2))),
    ("nearbyint", One(|x| x.to_whole(Round::NearestTiesToEven))),
    ("pow", Two(Real::power)),
    ("remainder", Two(Real::nearest_rest)),
    ("rint", One(|x| x.to_whole(Round::NearestTiesToEven))),
    ("round", One(|x| x.to_whole(Round::NearestTiesToAway))),
    ("sin", One(|x| x.by(f64::sin))),
    ("sinh", One(|x| x.by(f64::sinh))),
    ("sqrt", One(Real::root)),
    ("tan", One(|x| x.by(f64::tan))),
    ("tanh", One(|x| x.by(f64::tanh))),
    ("trunc", One(|x| x.to_whole(Round::TowardZero))),
];
