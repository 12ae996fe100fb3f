//! Arithmetic expansion (POSIX XCU 2.6.4).

mod calls;
mod comments;
mod module_functions;
mod operators;
mod skipped;
mod targets;

use std::borrow::Cow;
use std::cmp::Ordering;
use std::rc::Rc;

use crate::dialect::{Dialect, LargeConstant};
pub(super) use crate::expand::arithmetic::comments::check_comments;
pub(crate) use crate::expand::arithmetic::targets::minus_zero;
use crate::expand::arithmetic::targets::plain_number;
use crate::expand::number::Number;
use crate::expand::whole::joined;
use crate::expand::{Context, Tilde, single};
use crate::real::Real;
use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::Marking;
use crate::syntax::arithmetic::{self, Binary, Expression, Refused, Showing, Target, Unary};
use crate::syntax::ast::{Arithmetic, Part};
use crate::syntax::expression::NO_VARIABLE;
use crate::text::next_character;

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

/// The value of an arithmetic expression, as the shell shows it; none if nobody can know it.
///
/// # Errors
/// As for [`value`].
pub fn shown(cx: &mut dyn Context, written: &Arithmetic) -> Result<Option<String>, Stop> {
    let (number, showing) = number_of(cx, written, false)?;
    if number == Number::Unknown {
        return Ok(None);
    }
    let dialect = &cx.state().dialect;
    Ok(Some(match showing {
        Some(showing) => number.shown_as(dialect, showing),
        None => number.shown(dialect.arithmetic_reals),
    }))
}

/// The index of an element of an array.
///
/// # Errors
/// As for [`value`]; and where there is nothing between the brackets once they are expanded, if the shell
/// minds that.
pub(crate) fn index(cx: &mut dyn Context, written: &Arithmetic) -> Result<i64, Stop> {
    number_of(cx, written, true).map(|(number, _)| number.whole())
}

fn number(cx: &mut dyn Context, written: &Arithmetic) -> Result<Number, Stop> {
    number_of(cx, written, false).map(|(number, _)| number)
}

fn number_of(
    cx: &mut dyn Context,
    written: &Arithmetic,
    is_index: bool,
) -> Result<(Number, Option<Showing>), Stop> {
    let span = written.word.span;
    let expression = match written.cached.get() {
        Some(expression) => expression.clone(),
        None => {
            let text = single(cx, &written.word, Tilde::Never).map_err(Stop::of_words)?;
            if text.has_hole() {
                cx.missing("a number in an arithmetic expression", span);
                return Ok((Number::Unknown, None));
            }
            let minds_empty = is_index && cx.state().dialect.empty_index_is_mistake;
            if minds_empty && text.bytes().trim_ascii().is_empty() {
                return Err(cx.state().mistake("there is no index in the brackets", span, 1));
            }
            let is_written_out = matches!(&written.word.parts[..], [] | [Part::Literal { .. }]);
            let state = cx.state();
            if let Some(zero) = minus_zero(text.bytes(), state).filter(|_| !is_written_out) {
                return Ok((Number::Real(zero), None));
            }
            let written_out = match state.dialect.indexes_hide_brackets {
                true => Marking {
                    quoting: |name: &[u8]| state.key_quoting(name),
                    is_thorough: state.dialect.hidden_signs_spoil_indexes
                        && state.sources.bytes(span).iter().any(expands),
                    is_word: false,
                }
                .of(&text),
                false => text.bytes().into(),
            };
            let parsed = parse_up_to(cx, &written_out, span, is_index);
            let expression = Rc::new(parsed?);
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
    let mut evaluation =
        Evaluation { is_written: true, minds_parents: is_index, ..Evaluation::of(cx, span) };
    let number = evaluation.value(&expression)?;
    cx.state().math.latest = number;
    Ok((number, showing))
}

/// Whether this byte of an expression as it is written may begin an expansion.
fn expands(byte: &u8) -> bool {
    matches!(byte, b'$' | b'`' | b'~')
}

/// The value of an expression given as text: `let`, an array index, a variable's value.
///
/// # Errors
/// As for [`value`].
pub fn text_value(cx: &mut dyn Context, text: &[u8], span: Span) -> Result<i64, Stop> {
    if let Some(whole) = plain_number(text) {
        cx.state().math.latest = Number::Whole(whole);
        return Ok(whole);
    }
    let expression = parse(cx, text, span)?;
    evaluate(cx, &expression, span).map(Number::whole)
}

/// As [`text_value`], for an index: a sign that is none of arithmetic ends the expression, where the shell minds
/// such a sign elsewhere only.
///
/// # Errors
/// As for [`value`].
pub fn index_value(cx: &mut dyn Context, text: &[u8], span: Span) -> Result<i64, Stop> {
    if let Some(whole) = plain_number(text) {
        cx.state().math.latest = Number::Whole(whole);
        return Ok(whole);
    }
    let expression = parse_up_to(cx, text, span, true)?;
    evaluate(cx, &expression, span).map(Number::whole)
}

/// Whether the value of an expression given as text is anything but 0. A sign behind the expression that is none
/// of arithmetic is a mistake, which does not take the value away.
///
/// # Errors
/// As for [`value`].
pub fn text_holds(
    cx: &mut dyn Context,
    text: &[u8],
    span: Span,
) -> Result<(bool, Option<Stop>), Stop> {
    let (expression, mistake) = match arithmetic::parse(text, &cx.state().dialect) {
        Err(Refused { message, whole: Some(whole), .. }) => {
            (*whole, Some(refuse(cx.state(), &message, span)))
        }
        read => (read.or_else(|refused| refused_text(cx, &refused, span))?, None),
    };
    let mut evaluation = Evaluation { minds_parents: false, ..Evaluation::of(cx, span) };
    let number = evaluation.value(&expression)?;
    cx.state().math.latest = number;
    Ok((!number.is_zero(), mistake))
}

/// Which of two expressions given as text, each with its place, is larger; nothing where one is not a number.
///
/// # Errors
/// As for [`value`].
pub fn text_order(
    cx: &mut dyn Context,
    left: (&[u8], Span),
    right: (&[u8], Span),
) -> Result<Option<Ordering>, Stop> {
    let mut number = |(text, span): (&[u8], Span)| {
        if let Some(whole) = plain_number(text) {
            return Ok(Number::Whole(whole));
        }
        let expression = parse(cx, text, span)?;
        Evaluation { compares: true, minds_parents: false, ..Evaluation::of(cx, span) }
            .value(&expression)
    };
    Ok(match (number(left)?, number(right)?) {
        (Number::Whole(left), Number::Whole(right)) => Some(left.cmp(&right)),
        (left, right) => {
            let extended = cx.state().dialect.extended_reals;
            left.real(extended).partial_cmp(&right.real(extended))
        }
    })
}

/// As [`text_value`], with the base that the value has, if it has one; no value if nobody can know it. A real
/// beyond the largest whole number counts as the number behind that.
///
/// # Errors
/// As for [`value`].
pub(crate) fn text_based(
    cx: &mut dyn Context,
    text: &[u8],
    span: Span,
) -> Result<(Option<i128>, Option<u32>), Stop> {
    let expression = parse(cx, text, span)?;
    let mut evaluation = Evaluation::of(cx, span);
    let number = evaluation.value(&expression)?;
    let known = match number {
        Number::Unknown => None,
        Number::Real(real) if !real.is_negative() && real.cut() == i64::MIN => Some(1 << 63),
        number => Some(number.whole().into()),
    };
    Ok((known, evaluation.carried))
}

/// As [`text_value`], with what is behind the point.
///
/// # Errors
/// As for [`value`].
pub fn text_real(cx: &mut dyn Context, text: &[u8], span: Span) -> Result<Real, Stop> {
    real_of(cx, text, span, false)
}

/// As [`text_real`], for an argument of `printf`, where some mistakes may be none.
///
/// # Errors
/// As for [`value`].
pub(crate) fn argument_real(cx: &mut dyn Context, text: &[u8], span: Span) -> Result<Real, Stop> {
    let forgives = cx.state().dialect.printf_numbers_are_lenient;
    real_of(cx, text, span, forgives)
}

fn real_of(cx: &mut dyn Context, text: &[u8], span: Span, forgives: bool) -> Result<Real, Stop> {
    let expression = parse(cx, text, span)?;
    let number = Evaluation { forgives, ..Evaluation::of(cx, span) }.value(&expression)?;
    cx.state().math.latest = number;
    Ok(number.real(cx.state().dialect.extended_reals))
}

fn parse(cx: &mut dyn Context, text: &[u8], span: Span) -> Result<Expression, Stop> {
    parse_up_to(cx, text, span, false)
}

/// Reads an expression; `no_sign`: as far as to a sign that is none of arithmetic.
fn parse_up_to(
    cx: &mut dyn Context,
    text: &[u8],
    span: Span,
    no_sign: bool,
) -> Result<Expression, Stop> {
    match arithmetic::parse(text, &cx.state().dialect) {
        // A brace would have ended what the index is a part of.
        Err(Refused { whole: Some(whole), .. }) if no_sign && !text.contains(&b'}') => Ok(*whole),
        read => read.or_else(|refused| refused_text(cx, &refused, span)),
    }
}

/// What comes of a text that is no expression: what stands before the mistake is evaluated.
fn refused_text<T>(cx: &mut dyn Context, refused: &Refused, span: Span) -> Result<T, Stop> {
    if let Some(before) = &refused.before {
        // Something before the mistake may go wrong too, and counts then.
        let wrong = Some(&refused.message[..]);
        Evaluation { forgets: false, wrong, ..Evaluation::of(cx, span) }.value(before)?;
    }
    Err(refuse(cx.state(), &refused.message, span))
}

fn refuse(state: &State, wrong: &str, span: Span) -> Stop {
    let message = format!("arithmetic: {wrong}");
    match state.mistake(message, span, state.dialect.arithmetic_status) {
        Stop::Shell(error) => Stop::Shell(error.of_a_number()),
        stop => stop,
    }
}

fn evaluate(cx: &mut dyn Context, expression: &Expression, span: Span) -> Result<Number, Stop> {
    let number = Evaluation::of(cx, span).value(expression)?;
    cx.state().math.latest = number;
    Ok(number)
}

/// The number of the positional parameter that a name made of digits means.
fn positional_number(name: &[u8]) -> Option<usize> {
    std::str::from_utf8(name).ok()?.parse().ok()
}

struct Evaluation<'a> {
    cx: &'a mut dyn Context,
    dialect: Rc<Dialect>,
    span: Span,
    /// The base for variables that have none.
    base: Option<u32>,
    /// The base of the latest value: that of the leftmost number or variable in it. An integer that has none
    /// yet leaves it open, and one that is not set has 0, which is none either. Only variables that take their
    /// base of a value look at it.
    carried: Option<u32>,
    /// Whether numbers have no sign.
    unsigned: bool,
    /// Whether a mistake on the right of an element is forgotten.
    forgets: bool,
    /// Whether it is read where it is written, and no text that a variable or an argument holds.
    is_written: bool,
    /// Whether it is an operand of a comparison, which has no members of compound variables.
    compares: bool,
    /// Whether a member of a variable that is not there is a mistake, and not 0.
    minds_parents: bool,
    /// Whether names that are not set, and a division by 0, are 0 whatever the options say.
    forgives: bool,
    /// What is wrong with an expression that a mistake ends.
    wrong: Option<&'a str>,
}

impl<'a> Evaluation<'a> {
    /// The evaluation of a text that a variable or an argument holds.
    fn of(cx: &'a mut dyn Context, span: Span) -> Evaluation<'a> {
        let dialect = cx.state().dialect.clone();
        let forgets = dialect.elements_forget_mistakes;
        Evaluation {
            cx,
            dialect,
            span,
            base: None,
            carried: None,
            unsigned: false,
            forgets,
            is_written: false,
            compares: false,
            minds_parents: true,
            forgives: false,
            wrong: None,
        }
    }

    fn value(&mut self, expression: &Expression) -> Result<Number, Stop> {
        let value = match expression {
            Expression::Number(value) => {
                self.carried = Some(10);
                self.forced(Number::Whole(*value))
            }
            Expression::Written(value, base) => {
                self.carried = Some(*base);
                self.forced(Number::Whole(*value))
            }
            Expression::Real(value) => Number::Real(*value),
            Expression::Variable(target) => {
                let target = self.at_end_of_way(target)?;
                let value = self.get(&target, None)?;
                self.forced(value)
            }
            Expression::Based(base, inner) => {
                let outer = self.base.replace(*base);
                let value = self.value(inner);
                self.base = outer;
                return value;
            }
            Expression::NoVariable => return Err(refuse(self.cx.state(), NO_VARIABLE, self.span)),
            Expression::Wrong => return Err(self.refused()),
            Expression::Unsigned(inner) => {
                let outer = std::mem::replace(&mut self.unsigned, true);
                let value = self.value(inner);
                self.unsigned = outer;
                return value;
            }
            Expression::Status => Number::Whole(self.cx.state().status.into()),
            Expression::Count => Number::Whole(self.cx.state().positional.count() as i64),
            Expression::Code(target) => {
                let state = self.cx.state();
                let utf8 = state.utf8();
                let value = match positional_number(&target.name) {
                    Some(number) => state.positional.get(number),
                    None => state.variables.scalar(&target.name).map(Cow::Borrowed),
                };
                let value = value.or_else(|| {
                    let items = state.variables.values(&target.name);
                    (!items.is_empty()).then(|| Cow::Owned(joined(&items, b" ", self.span)))
                });
                let first = value.and_then(|text| next_character(text.bytes(), utf8));
                // A byte that is no character counts as itself.
                let code = first.map_or(0, |(code, _)| code.checked_sub(0x11_0000).unwrap_or(code));
                Number::Whole(i64::from(code))
            }
            Expression::Unary(operator, operand) => {
                let value = self.value(operand)?;
                self.unary(*operator, value)?
            }
            Expression::Function(function, operands) => {
                let (name, compute) = function;
                let values = operands.iter().map(|operand| self.value(operand));
                let values = values.collect::<Result<Vec<_>, _>>()?;
                if let ("abs", &[Number::Whole(value)]) = (*name, &values[..]) {
                    return Ok(Number::Whole(value.wrapping_abs()));
                }
                if values.iter().any(|value| matches!(value, Number::Unknown)) {
                    return Ok(Number::Unknown);
                }
                let reals: Vec<_> = values.into_iter().map(|value| self.real(value)).collect();
                compute.value(&reals).map_or(Number::Unknown, Number::Real)
            }
            Expression::Call { name, operands, text } => {
                self.called(name, operands.as_deref(), text)?
            }
            Expression::Binary(operator, left, right) => {
                let (left, right) = self.operands(left, right)?;
                self.combine(*operator, left, right)?
            }
            Expression::And(left, right) if self.dialect.arithmetic_eager => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) && self.is_true(right))
            }
            Expression::Or(left, right) if self.dialect.arithmetic_eager => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) || self.is_true(right))
            }
            Expression::And(left, right) => {
                let left = self.value(left)?;
                if !self.is_true(left) {
                    self.skip(right)?;
                    return Ok(self.truth(left));
                }
                let right = self.behind(right)?;
                self.truth(right)
            }
            Expression::Or(left, right) => {
                let left = self.value(left)?;
                if self.is_true(left) {
                    self.skip(right)?;
                    return Ok(Number::from(true));
                }
                let right = self.behind(right)?;
                self.truth(if left == Number::Unknown { left } else { right })
            }
            Expression::Either(left, right) => {
                let (left, right) = self.operands(left, right)?;
                Number::from(self.is_true(left) != self.is_true(right))
            }
            Expression::Shown(_, inner) => return self.value(inner),
            Expression::Choice(condition, yes, no) => self.choice(condition, yes, no)?,
            Expression::Assign(target, operator, value) => {
                self.assigned(target, *operator, value)?
            }
            Expression::Step { target, by, after } => {
                let target = &*self.at_end_of_way(target)?;
                let key = self.key_of(target)?;
                let before = match self.get(target, key.as_ref()) {
                    Err(stop) if self.dialect.steps_of_mistakes_count => {
                        self.set(target, key, Number::Whole(*by))?;
                        return Err(stop);
                    }
                    before => before?,
                };
                self.minds_reals(before)?;
                let step = self.combine(Binary::Plus, before, Number::Whole(*by))?;
                let changed = self.set(target, key, self.fit(step))?;
                if *after { before } else { changed }
            }
            Expression::Comma(left, right)
                if self.dialect.arithmetic_late_variables
                    && matches!(**left, Expression::Variable(_)) =>
            {
                self.operands(left, right)?.1
            }
            Expression::Comma(left, right) => {
                self.value(left)?;
                self.behind(right)?
            }
        };
        Ok(self.fit(value))
    }

    /// The mistake that ends the expression.
    fn refused(&mut self) -> Stop {
        refuse(self.cx.state(), self.wrong.unwrap_or_default(), self.span)
    }

    fn unary(&mut self, operator: Unary, value: Number) -> Result<Number, Stop> {
        let smallest_grows = self.dialect.arithmetic_large_constant == LargeConstant::Real;
        Ok(match (operator, value) {
            (Unary::Plus, value) => value,
            (_, Number::Unknown) => Number::Unknown,
            (Unary::Not, value) => Number::from(value.is_zero()),
            (Unary::Minus, Number::Whole(i64::MIN)) if smallest_grows => {
                Number::Real(self.real(value).negated())
            }
            (Unary::Minus, Number::Whole(0)) if self.dialect.minus_zero => Number::MinusZero,
            (Unary::Minus, Number::MinusZero) => Number::Whole(0),
            (Unary::Minus, Number::Whole(value)) => Number::Whole(value.wrapping_neg()),
            (Unary::Minus, Number::Real(value)) => Number::Real(value.negated()),
            (Unary::Complement, value) => {
                self.minds_reals(value)?;
                Number::Whole(!value.whole())
            }
        })
    }

    /// What `&&` and `||` make of a number that decides.
    fn truth(&self, number: Number) -> Number {
        match number {
            Number::Unknown => number,
            number => Number::from(self.is_true(number)),
        }
    }

    /// Whether `&&` and `||` take a number for true.
    fn is_true(&self, number: Number) -> bool {
        match self.dialect.logic_cuts_reals {
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
        if self.dialect.arithmetic_late_variables
            && let Expression::Variable(target) = left
        {
            let right = self.value_beside(target, right)?;
            return Ok((self.get(target, None)?, right));
        }
        Ok((self.value(left)?, self.behind(right)?))
    }

    /// The value of the operand right of a variable that has not been read yet. To read an element makes the shell
    /// forget that a variable holds no number, which counts as 0 then.
    fn value_beside(&mut self, left: &Target, right: &Expression) -> Result<Number, Stop> {
        let forgets = self.forgets && left.index.is_some();
        match self.value(right) {
            Err(Stop::Shell(_)) if forgets && matches!(right, Expression::Variable(_)) => {
                Ok(Number::Whole(0))
            }
            value => value,
        }
    }

    /// The value of a right operand; what both make has the base of the left one, if that has one.
    fn behind(&mut self, right: &Expression) -> Result<Number, Stop> {
        let left = self.carried;
        let value = self.value(right)?;
        self.carried = left.or(self.carried);
        Ok(value)
    }

    fn choice(
        &mut self,
        condition: &Expression,
        yes: &Expression,
        no: &Expression,
    ) -> Result<Number, Stop> {
        let condition = self.value(condition)?;
        if condition == Number::Unknown {
            return Ok(Number::Unknown);
        }
        let holds = !condition.is_zero();
        if !self.dialect.arithmetic_eager {
            if !holds {
                self.skip(yes)?;
            }
            let chosen = self.value(if holds { yes } else { no })?;
            if holds {
                self.skip(no)?;
            }
            return Ok(chosen);
        }
        let (yes, no) = self.operands(yes, no)?;
        Ok(if holds { yes } else { no })
    }

    /// `x = value` and `x op= value`; the index of an element is computed once.
    fn assigned(
        &mut self,
        target: &Target,
        operator: Option<Binary>,
        value: &Expression,
    ) -> Result<Number, Stop> {
        let target = &*self.at_end_of_way(target)?;
        let Some(operator) = operator else {
            let key = match self.dialect.arithmetic_index_before_value {
                true => self.key_of(target)?,
                false => None,
            };
            let value = self.value(value)?;
            return self.set(target, key, value);
        };
        let (key, changed) = if self.dialect.arithmetic_late_assignments {
            let value = self.value_beside(target, value)?;
            let key = self.key_of(target)?;
            let before = self.get(target, key.as_ref())?;
            (key, self.combine(operator, before, value)?)
        } else {
            let key = self.key_of(target)?;
            let before = self.get(target, key.as_ref())?;
            let value = self.behind(value)?;
            (key, self.combine(operator, before, value)?)
        };
        self.set(target, key, changed)
    }

    /// A number that is read, where all of them are reals.
    fn forced(&self, value: Number) -> Number {
        match value {
            Number::Whole(_) if self.dialect.numbers_are_reals => Number::Real(self.real(value)),
            value => value,
        }
    }

    /// The value as wide as the shell's numbers are.
    pub(super) fn fit(&self, value: Number) -> Number {
        match value {
            Number::Whole(value) if self.unsigned => Number::Whole(i64::from(value as u32)),
            Number::Whole(value) if self.dialect.arithmetic_bits == 32 => {
                Number::Whole(i64::from(value as i32))
            }
            value => value,
        }
    }

    /// The number as one of the shell's reals.
    fn real(&self, number: Number) -> Real {
        number.real(self.dialect.extended_reals)
    }
}
