//! `[[ ]]`, and the tests that it shares with `test`.

use crate::expand::{self, Context, Tilde, arithmetic};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::Condition;
use crate::walk::Walker;

impl Walker {
    /// Whether the expression of a `[[ ]]` holds.
    pub(super) fn condition(&mut self, condition: &Condition) -> Result<bool, Stop> {
        match condition {
            Condition::Word(word) => Ok(!expand::single(self, word, Tilde::AtStart)?.is_empty()),
            Condition::Not(inner) => Ok(!self.condition(inner)?),
            Condition::And(left, right) => Ok(self.condition(left)? && self.condition(right)?),
            Condition::Or(left, right) => Ok(self.condition(left)? || self.condition(right)?),
            Condition::Unary { operator, operand } => {
                let text = expand::single(self, operand, Tilde::AtStart)?;
                self.unary_test(*operator, text.bytes(), operand.span)
            }
            Condition::Binary { operator, left, right } => {
                let value = expand::single(self, left, Tilde::AtStart)?;
                match &**operator {
                    b"=" | b"==" | b"!=" => {
                        let holds = self.pattern(right)?.matches(value.bytes());
                        Ok(holds == (&**operator != b"!="))
                    }
                    b"=~" => {
                        self.missing("whether a regular expression matches", right.span);
                        Ok(false)
                    }
                    operator => {
                        let other = expand::single(self, right, Tilde::AtStart)?;
                        let span = right.span;
                        if operator.starts_with(b"-") {
                            let left = self.compared(value.bytes(), span)?;
                            let right = self.compared(other.bytes(), span)?;
                            return Ok(compare(operator, left, right));
                        }
                        let order = value.bytes().cmp(other.bytes());
                        Ok(if operator == b"<" { order.is_lt() } else { order.is_gt() })
                    }
                }
            }
        }
    }

    /// The number that an operand of `-eq` and its kin is: an expression inside `[[ ]]`.
    fn compared(&mut self, text: &[u8], span: Span) -> Result<i64, Stop> {
        arithmetic::text_value(&mut self.state, text, span)
    }

    /// `-n`, `-z`, `-e` and the like.
    pub(super) fn unary_test(
        &mut self,
        operator: u8,
        operand: &[u8],
        span: Span,
    ) -> Result<bool, Stop> {
        let host = expand::Context::host(self);
        Ok(match operator {
            b'n' => !operand.is_empty(),
            b'z' => operand.is_empty(),
            b'e' | b'a' => host.exists(operand),
            b'd' => host.is_folder(operand),
            b'f' => host.exists(operand) && !host.is_folder(operand),
            b'v' => self.state.variables.scalar(operand).is_some(),
            b't' => false,
            _ => {
                self.missing("what the system says about this file", span);
                host.exists(operand)
            }
        })
    }
}

/// `-eq` and its kin.
pub(super) fn compare(operator: &[u8], left: i64, right: i64) -> bool {
    match operator {
        b"-eq" => left == right,
        b"-ne" => left != right,
        b"-lt" => left < right,
        b"-le" => left <= right,
        b"-gt" => left > right,
        _ => left >= right,
    }
}
