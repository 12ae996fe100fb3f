//! What two numbers make.

use crate::dialect::{LargeConstant, Reals};
use crate::expand::arithmetic::{Evaluation, refuse};
use crate::expand::number::Number;
use crate::real::{Operation, Real};
use crate::stop::Stop;
use crate::syntax::arithmetic::Binary;

impl Evaluation<'_> {
    pub(super) fn combine(
        &mut self,
        operator: Binary,
        left: Number,
        right: Number,
    ) -> Result<Number, Stop> {
        match (left, right) {
            (Number::Whole(one), Number::Whole(other)) => {
                let made = self.combine_whole(operator, one, other)?;
                Ok(match operator {
                    Binary::Times => self.signed(made, operator, (left, right)),
                    _ => made,
                })
            }
            (Number::Unknown, _) | (_, Number::Unknown) => Ok(Number::Unknown),
            (Number::MinusZero, Number::Whole(_) | Number::MinusZero)
            | (Number::Whole(_), Number::MinusZero) => {
                let made = self.combine_whole(operator, left.whole(), right.whole())?;
                Ok(self.signed(made, operator, (left, right)))
            }
            (left, right) => self.combine_real(operator, left, right),
        }
    }

    /// What whole numbers make, with the sign that a 0 keeps where the shell computes with reals.
    fn signed(&self, made: Number, operator: Binary, (left, right): (Number, Number)) -> Number {
        let is_negative = match operator {
            Binary::Times => left.is_negative() != right.is_negative(),
            Binary::Plus => left.is_negative() && right.is_negative(),
            Binary::Minus => left.is_negative() && !right.is_negative(),
            _ => false,
        };
        match made == Number::Whole(0) && is_negative && self.dialect.minus_zero {
            true => Number::MinusZero,
            false => made,
        }
    }

    /// Refuses a real where the shell wants a whole number.
    pub(super) fn minds_reals(&mut self, number: Number) -> Result<(), Stop> {
        let whole_only = self.dialect.arithmetic_reals == Reals::PointVanishes;
        match number {
            Number::Real(_) if whole_only => {
                Err(refuse(self.cx.state(), "this operator takes whole numbers", self.span))
            }
            _ => Ok(()),
        }
    }

    fn combine_real(
        &mut self,
        operator: Binary,
        left: Number,
        right: Number,
    ) -> Result<Number, Stop> {
        let (one, other) = (self.real(left), self.real(right));
        let joined = |operation| Number::Real(one.combined(operation, other));
        Ok(match operator {
            Binary::Power => Number::Real(self.real_power(one, other)),
            Binary::Times => joined(Operation::Times),
            Binary::Divide => joined(Operation::Divide),
            Binary::Plus => joined(Operation::Plus),
            Binary::Minus => joined(Operation::Minus),
            Binary::Less => Number::from(one < other),
            Binary::LessEqual => Number::from(one <= other),
            Binary::Greater => Number::from(one > other),
            Binary::GreaterEqual => Number::from(one >= other),
            Binary::Equal => Number::from(one == other),
            Binary::NotEqual => Number::from(one != other),
            Binary::Remainder if self.dialect.arithmetic_reals == Reals::PointStays => {
                Number::Real(Real::Double(one.double() % other.double()))
            }
            // The left operand of a remainder is cut.
            Binary::Remainder => {
                self.minds_reals(right)?;
                return self.combine_whole(operator, left.whole(), right.whole());
            }
            _ => {
                self.minds_reals(left)?;
                self.minds_reals(right)?;
                return self.combine_whole(operator, left.whole(), right.whole());
            }
        })
    }

    /// A power, as `pow` of C computes it in `double`.
    pub(super) fn real_power(&self, base: Real, exponent: Real) -> Real {
        let power = base.double().powf(exponent.double());
        Real::of(power, self.dialect.extended_reals)
    }

    fn combine_whole(&mut self, operator: Binary, left: i64, right: i64) -> Result<Number, Stop> {
        let bits = self.dialect.arithmetic_bits;
        let places = (right & (i64::from(bits) - 1)) as u32;
        let exact = match operator {
            Binary::Power => return self.power(left, right),
            Binary::Divide if right == 0 && self.forgives => Some(0),
            Binary::Divide | Binary::Remainder if right == 0 => {
                return Err(refuse(self.cx.state(), "division by zero", self.span));
            }
            Binary::Times => left.checked_mul(right),
            Binary::Divide => left.checked_div(right),
            Binary::Plus => left.checked_add(right),
            Binary::Minus => left.checked_sub(right),
            Binary::Remainder => Some(left.wrapping_rem(right)),
            Binary::Left => Some(left.wrapping_shl(places)),
            Binary::Right => Some(left.wrapping_shr(places)),
            Binary::RotateLeft => Some(i64::from((left as u32).rotate_left(places))),
            Binary::RotateRight => Some(i64::from((left as u32).rotate_right(places))),
            Binary::Less => Some(i64::from(left < right)),
            Binary::LessEqual => Some(i64::from(left <= right)),
            Binary::Greater => Some(i64::from(left > right)),
            Binary::GreaterEqual => Some(i64::from(left >= right)),
            Binary::Equal => Some(i64::from(left == right)),
            Binary::NotEqual => Some(i64::from(left != right)),
            Binary::BitAnd => Some(left & right),
            Binary::BitXor => Some(left ^ right),
            Binary::BitOr => Some(left | right),
        };
        match exact {
            Some(value) => Ok(Number::Whole(value)),
            // The sum is too large for a whole number.
            None if self.dialect.arithmetic_large_constant == LargeConstant::Real => {
                self.combine_real(operator, Number::Whole(left), Number::Whole(right))
            }
            None => Ok(Number::Whole(match operator {
                Binary::Times => left.wrapping_mul(right),
                Binary::Divide => left.wrapping_div(right),
                Binary::Plus => left.wrapping_add(right),
                _ => left.wrapping_sub(right),
            })),
        }
    }

    fn power(&mut self, base: i64, exponent: i64) -> Result<Number, Stop> {
        let dialect = self.dialect.clone();
        if exponent < 0 && dialect.arithmetic_reals == Reals::None {
            return Err(refuse(self.cx.state(), "the exponent is less than 0", self.span));
        }
        if dialect.powers_are_doubles {
            let power =
                self.real_power(self.real(Number::Whole(base)), self.real(Number::Whole(exponent)));
            let whole = power.exact().filter(|_| exponent >= 0);
            return Ok(whole.map_or(Number::Real(power), Number::Whole));
        }
        let exact = u32::try_from(exponent).ok().and_then(|exponent| base.checked_pow(exponent));
        if let Some(value) = exact {
            return Ok(Number::Whole(value));
        }
        if exponent < 0 || dialect.arithmetic_large_constant == LargeConstant::Real {
            let (base, exponent) = (Number::Whole(base), Number::Whole(exponent));
            return Ok(Number::Real(self.real_power(self.real(base), self.real(exponent))));
        }
        let (mut result, mut base, mut exponent) = (1i64, base, exponent);
        while exponent > 0 {
            if exponent & 1 == 1 {
                result = result.wrapping_mul(base);
            }
            base = base.wrapping_mul(base);
            exponent >>= 1;
        }
        Ok(Number::Whole(result))
    }
}
