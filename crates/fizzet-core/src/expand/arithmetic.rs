//! Arithmetic expansion (POSIX XCU 2.6.4).

use std::borrow::Cow;
use std::cmp::Ordering;
use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{LargeConstant, Reals};
use crate::expand::number::Number;
use crate::expand::{Context, Tilde, single};
use crate::lineage::{Hop, Origin, Rule};
use crate::real::{Operation, Real};
use crate::source::Span;
use crate::state::{Digits, Keeps, Key, State, Value, element_name};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::arithmetic::{self, Binary, Expression, Showing, Target, Unary};
use crate::syntax::ast::{Arithmetic, Part};
use crate::syntax::marked;
use crate::text::{Standing, Text};

/// How often a variable may lead to another before that is called endless.
const MAX_DEPTH: u32 = 128;

/// The value of an arithmetic expression, as a whole number.
///
/// # Errors
/// An expression that the shell refuses, or a limit.
pub fn value(cx: &mut dyn Context, written: &Arithmetic) -> Result<i64, Stop> {
    number(cx, written).map(Number::whole)
}

/// Whether the value of an arithmetic expression is anything but 0.
///
/// # Errors
/// As for [`value`].
pub fn holds(cx: &mut dyn Context, written: &Arithmetic) -> Result<bool, Stop> {
    number(cx, written).map(|number| !number.is_zero())
}

/// The value of an arithmetic expression, as the shell shows it.
///
/// # Errors
/// As for [`value`].
pub fn shown(cx: &mut dyn Context, written: &Arithmetic) -> Result<String, Stop> {
    let (number, showing) = number_of(cx, written, false)?;
    let reals = cx.state().dialect.arithmetic_reals;
    Ok(match showing {
        Some(showing) => number.shown_as(reals, showing),
        None => number.shown(reals),
    })
}

/// The index of an element of an array.
///
/// # Errors
/// As for [`value`]; and where there is nothing between the brackets once they are expanded, if the shell
/// minds that.
pub(super) fn index(cx: &mut dyn Context, written: &Arithmetic) -> Result<i64, Stop> {
    let minds_empty = cx.state().dialect.empty_index_is_mistake;
    number_of(cx, written, minds_empty).map(|(number, _)| number.whole())
}

fn number(cx: &mut dyn Context, written: &Arithmetic) -> Result<Number, Stop> {
    number_of(cx, written, false).map(|(number, _)| number)
}

fn number_of(
    cx: &mut dyn Context,
    written: &Arithmetic,
    minds_empty: bool,
) -> Result<(Number, Option<Showing>), Stop> {
    let span = written.word.span;
    let expression = match written.cached.get() {
        Some(expression) => expression.clone(),
        None => {
            let text = single(cx, &written.word, Tilde::Never)?;
            if text.has_hole() {
                cx.missing("a number in an arithmetic expression", span);
                return Ok((Number::Whole(0), None));
            }
            if minds_empty && text.is_empty() {
                return Err(cx.state().mistake("there is no index in the brackets", span, 1));
            }
            let is_written_out = matches!(&written.word.parts[..], [] | [Part::Literal { .. }]);
            let state = cx.state();
            if let Some(zero) = minus_zero(text.bytes(), state).filter(|_| !is_written_out) {
                return Ok((zero, None));
            }
            let written_out = match state.dialect.indexes_hide_brackets {
                true => marked(&text),
                false => text.bytes().into(),
            };
            let parsed = parse(state, &written_out, span)?;
            let expression = Rc::new(parsed);
            if is_written_out {
                // The text never changes, so it is read once only.
                let _ = written.cached.set(expression.clone());
            }
            expression
        }
    };
    let showing = match &*expression {
        Expression::Shown(showing, _) => Some(*showing),
        _ => None,
    };
    Ok((evaluate(cx.state(), &expression, span)?, showing))
}

/// The value of an expression given as text: `let`, an array index, a variable's value.
///
/// # Errors
/// As for [`value`].
pub fn text_value(state: &mut State, text: &[u8], span: Span) -> Result<i64, Stop> {
    let expression = parse(state, text, span)?;
    evaluate(state, &expression, span).map(Number::whole)
}

/// Which of two expressions given as text is larger; nothing where one is not a number.
///
/// # Errors
/// As for [`value`].
pub fn text_order(
    state: &mut State,
    (left, right): (&[u8], &[u8]),
    span: Span,
) -> Result<Option<Ordering>, Stop> {
    let mut number = |text: &[u8]| {
        let expression = parse(state, text, span)?;
        evaluate(state, &expression, span)
    };
    Ok(match (number(left)?, number(right)?) {
        (Number::Whole(left), Number::Whole(right)) => Some(left.cmp(&right)),
        (left, right) => {
            let extended = state.dialect.extended_reals;
            left.real(extended).partial_cmp(&right.real(extended))
        }
    })
}

/// As [`text_value`], with what is behind the point.
///
/// # Errors
/// As for [`value`].
pub fn text_real(state: &mut State, text: &[u8], span: Span) -> Result<Real, Stop> {
    let expression = parse(state, text, span)?;
    let number = evaluate(state, &expression, span)?;
    Ok(number.real(state.dialect.extended_reals))
}

fn parse(state: &mut State, text: &[u8], span: Span) -> Result<Expression, Stop> {
    let refused = match arithmetic::parse(text, &state.dialect) {
        Ok(expression) => return Ok(expression),
        Err(refused) => refused,
    };
    for part in &refused.before {
        evaluate(state, part, span)?;
    }
    Err(refuse(state, &refused.message, span))
}

fn refuse(state: &State, wrong: &str, span: Span) -> Stop {
    state.mistake(format!("arithmetic: {wrong}"), span, state.dialect.arithmetic_status)
}

fn evaluate(state: &mut State, expression: &Expression, span: Span) -> Result<Number, Stop> {
    let mut evaluation = Evaluation { state, span, depth: 0, unsigned: false };
    evaluation.value(expression)
}

struct Evaluation<'a> {
    state: &'a mut State,
    span: Span,
    depth: u32,
    /// Whether numbers have no sign.
    unsigned: bool,
}

impl Evaluation<'_> {
    /// The key that an index stands for.
    fn key(&mut self, name: &[u8], index: &[u8]) -> Result<Key, Stop> {
        let variable = self.state.variables.get(name);
        let keyed = variable.is_some_and(|one| matches!(one.value, Value::Associative(_)));
        let drops = self.state.dialect.arithmetic_indexes_drop_quotes && !keyed;
        let index: Cow<'_, [u8]> = match drops {
            true if index.contains(&b'\'') => {
                index.iter().copied().filter(|&byte| byte != b'\'').collect()
            }
            _ => index.into(),
        };
        self.state.element_key(name, &index, self.span)
    }

    fn value(&mut self, expression: &Expression) -> Result<Number, Stop> {
        let value = match expression {
            Expression::Number(value) => Number::Whole(*value),
            Expression::Real(value) => Number::Real(*value),
            Expression::Variable(target) => self.get(target)?,
            Expression::Unsigned(inner) => {
                let outer = std::mem::replace(&mut self.unsigned, true);
                let value = self.value(inner);
                self.unsigned = outer;
                return value;
            }
            Expression::Count => Number::Whole(self.state.positional.count() as i64),
            Expression::Code(target) => {
                let value = self.state.variables.scalar(&target.name);
                let first = value.and_then(|text| text.bytes().chars().next());
                Number::Whole(first.map_or(0, |character| i64::from(u32::from(character))))
            }
            Expression::Unary(operator, operand) => {
                let value = self.value(operand)?;
                self.unary(*operator, value)?
            }
            Expression::Function(function, operand) => {
                let (name, compute) = function;
                match (*name, self.value(operand)?) {
                    ("abs", Number::Whole(value)) => Number::Whole(value.wrapping_abs()),
                    (_, value) => Number::Real(compute(self.real(value))),
                }
            }
            Expression::Binary(operator, left, right) => {
                let (left, right) = self.operands(left, right)?;
                self.combine(*operator, left, right)?
            }
            Expression::And(left, right) if self.state.dialect.arithmetic_eager => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) && self.is_true(right))
            }
            Expression::Or(left, right) if self.state.dialect.arithmetic_eager => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) || self.is_true(right))
            }
            Expression::And(left, right) => {
                let left = self.value(left)?;
                let holds = self.is_true(left) && {
                    let right = self.value(right)?;
                    self.is_true(right)
                };
                Number::from(holds)
            }
            Expression::Or(left, right) => {
                let left = self.value(left)?;
                let holds = self.is_true(left) || {
                    let right = self.value(right)?;
                    self.is_true(right)
                };
                Number::from(holds)
            }
            Expression::Either(left, right) => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) != self.is_true(right))
            }
            Expression::Shown(_, inner) => return self.value(inner),
            Expression::Choice(condition, yes, no) => self.choice(condition, yes, no)?,
            Expression::Assign(target, operator, value) => {
                let value = match operator {
                    None => self.value(value)?,
                    Some(operator) => self.changed(target, *operator, value)?,
                };
                self.set(target, value)?
            }
            Expression::Step { target, by, after } => {
                let before = self.get(target)?;
                self.minds_reals(before)?;
                let step = self.combine(Binary::Plus, before, Number::Whole(*by))?;
                let changed = self.set(target, self.fit(step))?;
                if *after { before } else { changed }
            }
            Expression::Comma(left, right) => {
                self.value(left)?;
                self.value(right)?
            }
        };
        Ok(self.fit(value))
    }

    fn unary(&self, operator: Unary, value: Number) -> Result<Number, Stop> {
        let smallest_grows = self.state.dialect.arithmetic_large_constant == LargeConstant::Real;
        Ok(match (operator, value) {
            (Unary::Plus, value) => value,
            (Unary::Not, value) => Number::from(value.is_zero()),
            (Unary::Minus, Number::Whole(i64::MIN)) if smallest_grows => {
                Number::Real(self.real(value).negated())
            }
            (Unary::Minus, Number::Whole(value)) => Number::Whole(value.wrapping_neg()),
            (Unary::Minus, Number::Real(value)) => Number::Real(value.negated()),
            (Unary::Complement, value) => {
                self.minds_reals(value)?;
                Number::Whole(!value.whole())
            }
        })
    }

    /// Whether `&&` and `||` take a number for true.
    fn is_true(&self, number: Number) -> bool {
        match self.state.dialect.logic_cuts_reals {
            true => number.whole() != 0,
            false => !number.is_zero(),
        }
    }

    /// Both operands. Where the shell looks a variable up only when its operator comes, the right
    /// operand may have changed the left one.
    fn operands(
        &mut self,
        left: &Expression,
        right: &Expression,
    ) -> Result<(Number, Number), Stop> {
        if self.state.dialect.arithmetic_late_variables
            && let Expression::Variable(target) = left
        {
            let right = self.value(right)?;
            return Ok((self.get(target)?, right));
        }
        Ok((self.value(left)?, self.value(right)?))
    }

    fn choice(
        &mut self,
        condition: &Expression,
        yes: &Expression,
        no: &Expression,
    ) -> Result<Number, Stop> {
        let holds = !self.value(condition)?.is_zero();
        if !self.state.dialect.arithmetic_eager {
            return self.value(if holds { yes } else { no });
        }
        let (yes, no) = self.operands(yes, no)?;
        Ok(if holds { yes } else { no })
    }

    /// The value of `x op= value`.
    fn changed(
        &mut self,
        target: &Target,
        operator: Binary,
        value: &Expression,
    ) -> Result<Number, Stop> {
        if self.state.dialect.arithmetic_late_assignments {
            let value = self.value(value)?;
            let before = self.get(target)?;
            return self.combine(operator, before, value);
        }
        let before = self.get(target)?;
        let value = self.value(value)?;
        self.combine(operator, before, value)
    }

    /// The value as wide as the shell's numbers are.
    fn fit(&self, value: Number) -> Number {
        match value {
            Number::Whole(value) if self.unsigned => Number::Whole(i64::from(value as u32)),
            Number::Whole(value) if self.state.dialect.arithmetic_bits == 32 => {
                Number::Whole(i64::from(value as i32))
            }
            value => value,
        }
    }

    fn combine(&self, operator: Binary, left: Number, right: Number) -> Result<Number, Stop> {
        match (left, right) {
            (Number::Whole(left), Number::Whole(right)) => {
                self.combine_whole(operator, left, right)
            }
            (left, right) => self.combine_real(operator, left, right),
        }
    }

    /// The number as one of the shell's reals.
    fn real(&self, number: Number) -> Real {
        number.real(self.state.dialect.extended_reals)
    }

    /// Refuses a real where the shell wants a whole number.
    fn minds_reals(&self, number: Number) -> Result<(), Stop> {
        let whole_only = self.state.dialect.arithmetic_reals == Reals::PointVanishes;
        match number {
            Number::Real(_) if whole_only => {
                Err(refuse(self.state, "this operator takes whole numbers", self.span))
            }
            _ => Ok(()),
        }
    }

    fn combine_real(&self, operator: Binary, left: Number, right: Number) -> Result<Number, Stop> {
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
            Binary::Remainder if self.state.dialect.arithmetic_reals == Reals::PointStays => {
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
    fn real_power(&self, base: Real, exponent: Real) -> Real {
        let power = base.double().powf(exponent.double());
        Real::of(power, self.state.dialect.extended_reals)
    }

    fn combine_whole(&self, operator: Binary, left: i64, right: i64) -> Result<Number, Stop> {
        let bits = self.state.dialect.arithmetic_bits;
        let places = (right & (i64::from(bits) - 1)) as u32;
        let exact = match operator {
            Binary::Power => return self.power(left, right),
            Binary::Divide | Binary::Remainder if right == 0 => {
                return Err(refuse(self.state, "division by zero", self.span));
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
            None if self.state.dialect.arithmetic_large_constant == LargeConstant::Real => {
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

    fn power(&self, base: i64, exponent: i64) -> Result<Number, Stop> {
        let dialect = &self.state.dialect;
        if exponent < 0 && dialect.arithmetic_reals == Reals::None {
            return Err(refuse(self.state, "the exponent is less than 0", self.span));
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

    fn get(&mut self, target: &Target) -> Result<Number, Stop> {
        if target.index.is_none()
            && let Some(meant) = self.state.variables.meant(&target.name)
            && let Some((name, index)) = element_name(&meant)
        {
            return self.get(&Target { name: name.into(), index: Some(index.into()) });
        }
        match self.state.variables.get(&target.name) {
            Some(variable) if !variable.own => {
                if let (None, Value::Scalar(_), Some(real)) =
                    (&target.index, &variable.value, variable.real)
                {
                    return Ok(Number::Real(real));
                }
                if let (None, Value::Scalar(text)) = (&target.index, &variable.value) {
                    if let Some(number) = plain_number(text.bytes()) {
                        return Ok(Number::Whole(number));
                    }
                    let text = text.clone();
                    return self.number(text.bytes());
                }
            }
            _ => {
                self.state.freshen(&target.name);
            }
        }
        let text = match &target.index {
            None if self.state.dialect.array_is_list
                && self.state.variables.is_array(&target.name) =>
            {
                let values = self.state.variables.values(&target.name);
                let texts: Vec<&[u8]> = values.iter().map(Text::bytes).collect();
                Some(Text::from_bytes(
                    texts.join(&b' '),
                    Standing::Quoted,
                    self.state.shell_origin(),
                ))
            }
            None => self.state.variables.scalar(&target.name).cloned(),
            Some(index)
                if matches!(&**index, b"@" | b"*") && self.state.dialect.whole_array_is_zero =>
            {
                return Ok(Number::Whole(0));
            }
            Some(index) => {
                let key = self.key(&target.name, index)?;
                self.state.variables.element(&target.name, &key).cloned()
            }
        };
        if let Some(text) = text {
            return self.number(text.bytes());
        }
        let dialect = &self.state.dialect;
        // An element is not minded where others are set.
        let minds = self.state.options.no_unset
            && dialect.arithmetic_minds_unset
            && (target.index.is_none() || self.state.variables.get(&target.name).is_none());
        let refused = minds || (self.depth > 0 && dialect.arithmetic_value_names_must_be_set);
        if !refused {
            return Ok(Number::Whole(0));
        }
        let name = String::from_utf8_lossy(&target.name).into_owned();
        let status = dialect.unset_status;
        let goes_through = dialect.unset_goes_through;
        let error = ShellError::new(format!("{name} is not set"), self.span, status, Reach::Shell);
        Err(Stop::Shell(ShellError { goes_through, ..error }))
    }

    /// The number that a variable's value stands for.
    fn number(&mut self, value: &[u8]) -> Result<Number, Stop> {
        let blanks = match self.state.dialect.arithmetic_recursive {
            true => self.state.dialect.arithmetic_blanks.as_bytes(),
            false => b" \t\n\x0b\x0c\r",
        };
        let trimmed = value.trim_with(|one| one.is_ascii() && blanks.contains(&(one as u8)));
        let (negative, digits) = match trimmed {
            [b'-', digits @ ..] => (true, digits),
            [b'+', digits @ ..] => (false, digits),
            digits => (false, digits),
        };
        // Digits that may be too many for a whole number make a real, where the shell has it so.
        let makes_real = self.state.dialect.arithmetic_large_constant == LargeConstant::Real
            && digits.len() > 18;
        if digits.first().is_some_and(u8::is_ascii_digit)
            && !makes_real
            && let Some(value) = arithmetic::constant(digits, &self.state.dialect)
        {
            return Ok(Number::Whole(if negative { value.wrapping_neg() } else { value }));
        }
        if trimmed.is_empty() {
            return Ok(Number::Whole(0));
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

    fn set(&mut self, target: &Target, value: Number) -> Result<Number, Stop> {
        // A variable keeps a number with a sign.
        let stored = match value {
            Number::Whole(value) if self.unsigned => Number::Whole(i64::from(value as i32)),
            value => value,
        };
        let shown = stored.shown(self.state.dialect.arithmetic_reals);
        let text = number_text(shown, self.span, &target.name);
        let key = match &target.index {
            None => None,
            Some(index) => Some(self.key(&target.name, index)?),
        };
        let is_new = self.state.dialect.arithmetic_makes_numbers
            && key.is_none()
            && self.state.variables.get(&target.name).is_none();
        if is_new {
            self.state.variables.entry(&target.name).keeps = match value {
                Number::Whole(_) => Keeps::Integer(Digits::default()),
                Number::Real(_) => Keeps::Real { letter: b'f', digits: 10, long: false },
            };
        }
        self.state.store(&target.name, key, text, self.span)?;
        Ok(value)
    }
}

/// The real -0 that a value is which is a minus sign and zeros, where the shell takes it for that.
fn minus_zero(text: &[u8], state: &State) -> Option<Number> {
    let zeros = text.strip_prefix(b"-").filter(|_| state.dialect.minus_zero)?;
    let is_one = !zeros.is_empty() && zeros.iter().all(|&byte| byte == b'0');
    is_one.then(|| Number::Real(Real::whole(0, state.dialect.extended_reals).negated()))
}

/// The value of a few decimal digits that begin with no zero, which mean the same in every shell.
fn plain_number(text: &[u8]) -> Option<i64> {
    let short = (1..=9).contains(&text.len()) && (text[0] != b'0' || text.len() == 1);
    let digits = short && text.iter().all(u8::is_ascii_digit);
    digits.then(|| text.iter().fold(0, |value, digit| value * 10 + i64::from(digit - b'0')))
}

/// A number as the value of a variable.
fn number_text(shown: String, span: Span, name: &Rc<[u8]>) -> Text {
    let computed = Origin::new(Rule::Arithmetic, span);
    let hop = Hop { rule: Rule::Stored, span, name: Some(name.clone()), shifted: 0 };
    Text::from_bytes(shown, Standing::Quoted, computed.then(hop))
}
