//! Arithmetic expansion (POSIX XCU 2.6.4).

use std::rc::Rc;

use crate::expand::{Context, Tilde, single};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::arithmetic::{self, Binary, Expression, Target, Unary};
use crate::syntax::ast::{Arithmetic, Part};
use crate::text::{Standing, Text};

/// How often a variable may lead to another before that is called endless.
const MAX_DEPTH: u32 = 128;

/// The value of an arithmetic expression.
///
/// # Errors
/// An expression that the shell refuses, or a limit.
pub fn value(cx: &mut dyn Context, written: &Arithmetic) -> Result<i64, Stop> {
    let span = written.word.span;
    let expression = match written.cached.get() {
        Some(expression) => expression.clone(),
        None => {
            let text = single(cx, &written.word, Tilde::Never)?;
            if text.has_hole() {
                cx.missing("a number in an arithmetic expression", span);
                return Ok(0);
            }
            let parsed = parse(cx.state(), text.bytes(), span)?;
            let expression = Rc::new(parsed);
            if matches!(&written.word.parts[..], [] | [Part::Literal { .. }]) {
                // The text never changes, so it is read once only.
                let _ = written.cached.set(expression.clone());
            }
            expression
        }
    };
    evaluate(cx.state(), &expression, span)
}

/// The value of an expression given as text: `let`, an array index, a variable's value.
///
/// # Errors
/// As for [`value`].
pub fn text_value(state: &mut State, text: &[u8], span: Span) -> Result<i64, Stop> {
    let expression = parse(state, text, span)?;
    evaluate(state, &expression, span)
}

fn parse(state: &State, text: &[u8], span: Span) -> Result<Expression, Stop> {
    arithmetic::parse(text, &state.dialect).map_err(|wrong| refuse(state, &wrong, span))
}

fn refuse(state: &State, wrong: &str, span: Span) -> Stop {
    state.mistake(format!("arithmetic: {wrong}"), span, state.dialect.arithmetic_status)
}

fn evaluate(state: &mut State, expression: &Expression, span: Span) -> Result<i64, Stop> {
    let mut evaluation = Evaluation { state, span, depth: 0 };
    evaluation.value(expression)
}

struct Evaluation<'a> {
    state: &'a mut State,
    span: Span,
    depth: u32,
}

impl Evaluation<'_> {
    fn value(&mut self, expression: &Expression) -> Result<i64, Stop> {
        let value = match expression {
            Expression::Number(value) => *value,
            Expression::Variable(target) => self.get(target)?,
            Expression::Unary(operator, operand) => {
                let value = self.value(operand)?;
                match operator {
                    Unary::Minus => value.wrapping_neg(),
                    Unary::Plus => value,
                    Unary::Not => i64::from(value == 0),
                    Unary::Complement => !value,
                }
            }
            Expression::Binary(operator, left, right) => {
                let (left, right) = (self.value(left)?, self.value(right)?);
                self.combine(*operator, left, right)?
            }
            Expression::And(left, right) => {
                i64::from(self.value(left)? != 0 && self.value(right)? != 0)
            }
            Expression::Or(left, right) => {
                i64::from(self.value(left)? != 0 || self.value(right)? != 0)
            }
            Expression::Choice(condition, yes, no) => match self.value(condition)? {
                0 => self.value(no)?,
                _ => self.value(yes)?,
            },
            Expression::Assign(target, operator, value) => {
                let value = match operator {
                    None => self.value(value)?,
                    Some(operator) => {
                        let before = self.get(target)?;
                        let value = self.value(value)?;
                        self.combine(*operator, before, value)?
                    }
                };
                self.set(target, value)?
            }
            Expression::Step { target, by, after } => {
                let before = self.get(target)?;
                let changed = self.set(target, self.fit(before.wrapping_add(*by)))?;
                if *after { before } else { changed }
            }
            Expression::Comma(left, right) => {
                self.value(left)?;
                self.value(right)?
            }
        };
        Ok(self.fit(value))
    }

    /// The value as wide as the shell's numbers are.
    fn fit(&self, value: i64) -> i64 {
        match self.state.dialect.arithmetic_bits {
            32 => i64::from(value as i32),
            _ => value,
        }
    }

    fn combine(&self, operator: Binary, left: i64, right: i64) -> Result<i64, Stop> {
        let bits = self.state.dialect.arithmetic_bits;
        let places = (right & (i64::from(bits) - 1)) as u32;
        Ok(match operator {
            Binary::Power => return self.power(left, right),
            Binary::Times => left.wrapping_mul(right),
            Binary::Divide | Binary::Remainder if right == 0 => {
                return Err(refuse(self.state, "division by zero", self.span));
            }
            Binary::Divide => left.wrapping_div(right),
            Binary::Remainder => left.wrapping_rem(right),
            Binary::Plus => left.wrapping_add(right),
            Binary::Minus => left.wrapping_sub(right),
            Binary::Left => left.wrapping_shl(places),
            Binary::Right => left.wrapping_shr(places),
            Binary::Less => i64::from(left < right),
            Binary::LessEqual => i64::from(left <= right),
            Binary::Greater => i64::from(left > right),
            Binary::GreaterEqual => i64::from(left >= right),
            Binary::Equal => i64::from(left == right),
            Binary::NotEqual => i64::from(left != right),
            Binary::BitAnd => left & right,
            Binary::BitXor => left ^ right,
            Binary::BitOr => left | right,
        })
    }

    fn power(&self, base: i64, exponent: i64) -> Result<i64, Stop> {
        if exponent < 0 {
            return Err(refuse(self.state, "the exponent is less than 0", self.span));
        }
        let (mut result, mut base, mut exponent) = (1i64, base, exponent);
        while exponent > 0 {
            if exponent & 1 == 1 {
                result = result.wrapping_mul(base);
            }
            base = base.wrapping_mul(base);
            exponent >>= 1;
        }
        Ok(result)
    }

    fn get(&mut self, target: &Target) -> Result<i64, Stop> {
        let text = match &target.index {
            None => self.state.variables.scalar(&target.name).cloned(),
            Some(index) => {
                let key = self.state.element_key(&target.name, index, self.span)?;
                self.state.variables.element(&target.name, &key).cloned()
            }
        };
        let Some(text) = text else {
            if self.state.options.no_unset {
                let name = String::from_utf8_lossy(&target.name).into_owned();
                let message = format!("{name} is not set, and set -u is on");
                let status = self.state.dialect.unset_status;
                return Err(Stop::shell(message, self.span, status));
            }
            return Ok(0);
        };
        self.number(text.bytes())
    }

    /// The number that a variable's value stands for.
    fn number(&mut self, value: &[u8]) -> Result<i64, Stop> {
        let trimmed = value.trim_ascii();
        let (negative, digits) = match trimmed.strip_prefix(b"-") {
            Some(digits) => (true, digits),
            None => (false, trimmed),
        };
        if digits.first().is_some_and(u8::is_ascii_digit)
            && let Some(value) = arithmetic::constant(digits, &self.state.dialect)
        {
            return Ok(if negative { value.wrapping_neg() } else { value });
        }
        if trimmed.is_empty() {
            return Ok(0);
        }
        if !self.state.dialect.arithmetic_recursive {
            let shown = String::from_utf8_lossy(value).into_owned();
            return Err(refuse(self.state, &format!("`{shown}` is no number"), self.span));
        }
        self.depth += 1;
        if self.depth > MAX_DEPTH {
            return Err(refuse(
                self.state,
                "the variables lead to each other without end",
                self.span,
            ));
        }
        let expression = parse(self.state, value, self.span)?;
        let value = self.value(&expression)?;
        self.depth -= 1;
        Ok(value)
    }

    fn set(&mut self, target: &Target, value: i64) -> Result<i64, Stop> {
        let text = number_text(value, self.span, &target.name);
        let key = match &target.index {
            None => None,
            Some(index) => Some(self.state.element_key(&target.name, index, self.span)?),
        };
        self.state.store(&target.name, key, text, self.span)?;
        Ok(value)
    }
}

/// A number as the value of a variable.
fn number_text(value: i64, span: Span, name: &Rc<[u8]>) -> Text {
    let computed = Origin::new(Rule::Arithmetic, span);
    let hop = Hop { rule: Rule::Stored, span, name: Some(name.clone()), shifted: 0 };
    Text::from_bytes(value.to_string(), Standing::Quoted, computed.then(hop))
}
