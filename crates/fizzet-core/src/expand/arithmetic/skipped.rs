//! What is looked at in an operand that decides nothing: the right side of `0 && x`, and the like.

use crate::expand::arithmetic::Evaluation;
use crate::expand::number::Number;
use crate::stop::Stop;
use crate::syntax::arithmetic::{Binary, Expression};

impl Evaluation<'_> {
    /// Passes over an operand that decides nothing; some shells mind powers in it that they cannot compute, and all
    /// that evaluate while they read a mistake of the grammar.
    pub(super) fn skip(&mut self, expression: &Expression) -> Result<(), Stop> {
        if self.wrong.is_some() && expression.ends_wrong() {
            return Err(self.refused());
        }
        match self.dialect.skipped_powers_count {
            true => self.skipped(expression).map(|_| ()),
            false => Ok(()),
        }
    }

    /// The value of an operand in which nothing is looked up or assigned.
    fn skipped(&mut self, expression: &Expression) -> Result<Number, Stop> {
        Ok(match expression {
            Expression::Number(value) | Expression::Written(value, _) => Number::Whole(*value),
            Expression::Unary(operator, operand) => {
                let value = self.skipped(operand)?;
                self.unary(*operator, value)?
            }
            Expression::Binary(operator, left, right) => {
                let (left, right) = (self.skipped(left)?, self.skipped(right)?);
                match operator {
                    Binary::Divide | Binary::Remainder if right.is_zero() => left,
                    operator => self.combine(*operator, left, right)?,
                }
            }
            Expression::And(left, right) | Expression::Or(left, right) => {
                self.skipped(left)?;
                self.skipped(right)?
            }
            Expression::Choice(condition, yes, no) => {
                self.skipped(condition)?;
                self.skipped(yes)?;
                self.skipped(no)?
            }
            Expression::Comma(left, right) => {
                self.skipped(left)?;
                self.skipped(right)?
            }
            Expression::Assign(_, _, value) => self.skipped(value)?,
            Expression::Step { by, after: false, .. } => Number::Whole(*by),
            Expression::Unsigned(inner)
            | Expression::Based(_, inner)
            | Expression::Shown(_, inner) => self.skipped(inner)?,
            _ => Number::Whole(0),
        })
    }
}
