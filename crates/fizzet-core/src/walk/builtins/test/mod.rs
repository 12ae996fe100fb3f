//! `test` and `[` (POSIX XCU test).
//!
//! The shells read the words in four ways, each a module here; what the operators ask is the same for all.

mod lookahead;
mod numbered;
mod parsed;
mod passing;

use std::cmp::Ordering;

use bstr::ByteSlice;
use smallvec::SmallVec;

use crate::dialect::{Dialect, TestGrammar, TestNumbers};
use crate::expand::pattern::Pattern;
use crate::expand::regular::{Quoted, Regular, Rules};
use crate::expand::unknown;
use crate::expand::{Context, arithmetic};
use crate::stop::{Reach, Status, Stop};
use crate::syntax::arithmetic::{digits as digits_of, has_hexadecimal};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::{number, number_before};
use crate::walk::conditional::compare;

/// `[ expression ]`
pub(super) fn bracket(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let begins = walker.state.dialect.bracket_begins_last;
    let ends = |word: &Text| word.bytes() == b"]" || (begins && word.bytes().starts_with(b"]"));
    match call.arguments().split_last() {
        Some((last, rest)) if ends(last) => evaluate(walker, call, rest, false),
        _ => Ok(2),
    }
}

/// `[[ expression ]]` where it is a utility.
pub(super) fn double_bracket(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    match call.arguments().split_last() {
        Some((last, rest)) if last.bytes() == b"]]" => evaluate(walker, call, rest, true),
        _ => Ok(2),
    }
}

/// `test expression`
pub(super) fn test(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    evaluate(walker, call, call.arguments(), false)
}

fn evaluate(
    walker: &mut Walker,
    call: &Call<'_>,
    words: &[Text],
    patterned: bool,
) -> Result<Status, Stop> {
    if words.iter().any(Text::has_hole) {
        let holds = of_holes(walker, words, call)?;
        if holds.is_none() {
            walker.missing("whether this test holds", call.span);
        }
        return Ok(Status::from(holds != Some(true)));
    }
    let words: SmallVec<[&[u8]; 8]> = words.iter().map(Text::bytes).collect();
    let grammar = walker.state.dialect.test_grammar;
    let operators = Operators { walker, call, patterned };
    let holds = match grammar {
        TestGrammar::Numbered => numbered::holds(operators, &words),
        TestGrammar::Lookahead(way) => lookahead::holds(operators, words, way),
        TestGrammar::Passing => passing::holds(operators, &words),
        TestGrammar::Parsed => parsed::holds(operators, &words),
    };
    match holds {
        Ok(holds) => Ok(Status::from(!holds)),
        Err(Wrong::Expression) => Ok(2),
        Err(Wrong::Stop(stop)) => Err(stop),
    }
}

/// What can be said of an expression with holes in its words; `None` if nobody knows.
fn of_holes(walker: &mut Walker, words: &[Text], call: &Call<'_>) -> Result<Option<bool>, Stop> {
    let is = |word: &Text, bytes: &[u8]| !word.has_hole() && word.bytes() == bytes;
    if words.iter().any(Text::may_be_several) {
        return Ok(None);
    }
    Ok(match words {
        [word] => unknown::is_filled(word),
        [one, operator, other] if is(operator, b"=") => unknown::are_same(one, other),
        [one, operator, other] if is(operator, b"!=") => {
            unknown::are_same(one, other).map(|same| !same)
        }
        [not, rest @ ..] if is(not, b"!") => of_holes(walker, rest, call)?.map(|holds| !holds),
        [operator, operand] if !operator.has_hole() => match operator.bytes() {
            &[b'-', letter] if walker.state.dialect.test_letters.as_bytes().contains(&letter) => {
                walker.unary_test_of_hole(letter, operand, call.span)?
            }
            _ => None,
        },
        _ => None,
    })
}

/// Why a test has no answer.
enum Wrong {
    /// The words are no expression, or an operand is none for its operator: status 2.
    Expression,
    /// The shell itself stops.
    Stop(Stop),
}

impl From<Stop> for Wrong {
    fn from(stop: Stop) -> Self {
        Self::Stop(stop)
    }
}

/// Whether an expression holds.
type Holds = Result<bool, Wrong>;

/// What the operators of `test` ask.
struct Operators<'a> {
    walker: &'a mut Walker,
    call: &'a Call<'a>,
    /// Whether `=` takes a pattern, and `=~` is known.
    patterned: bool,
}

impl Operators<'_> {
    fn dialect(&self) -> &Dialect {
        &self.walker.state.dialect
    }

    fn is_unary(&self, word: &[u8]) -> bool {
        matches!(word, [b'-', letter] if self.dialect().test_letters.as_bytes().contains(letter))
    }

    /// Whether a word is an operator with two operands.
    fn is_binary(&self, word: &[u8]) -> bool {
        match word {
            b"==" => self.dialect().test_double_equals,
            b"<" | b">" => self.dialect().test_orders,
            b"=~" => self.patterned || self.dialect().test_matches_expressions,
            b"=" | b"!=" | b"-nt" | b"-ot" | b"-ef" => true,
            _ => matches!(word, b"-eq" | b"-ne" | b"-lt" | b"-le" | b"-gt" | b"-ge"),
        }
    }

    fn number(&mut self, text: &[u8]) -> Option<i64> {
        match self.dialect().test_numbers {
            TestNumbers::Trimmed(behind) => return number_before(text, behind),
            TestNumbers::Leading => return leading(text, self.dialect()),
            TestNumbers::Reals => {
                let text = real(text)?;
                return arithmetic::text_value(&mut *self.walker, &text, self.call.span).ok();
            }
            TestNumbers::Expressions => {}
        }
        if !self.dialect().test_hexadecimal && has_hexadecimal(text) {
            return None;
        }
        let span = self.call.span;
        arithmetic::text_value(&mut *self.walker, text, span).ok()
    }

    /// Carries out an operator with one operand.
    fn unary(&mut self, operator: &[u8], operand: &[u8]) -> Holds {
        let [b'-', letter] = *operator else { return Err(Wrong::Expression) };
        if !self.is_unary(operator) {
            return Err(Wrong::Expression);
        }
        let forgives = letter == b'v' && self.dialect().test_forgives_indexes;
        match self.walker.unary_test(letter, operand, self.call.span) {
            Err(Stop::Shell(error)) if error.reach == Reach::Command || forgives => {
                Err(Wrong::Expression)
            }
            held => Ok(held?),
        }
    }

    /// Carries out one of the operators of [`is_binary`](Self::is_binary).
    fn binary(&mut self, left: &[u8], operator: &[u8], right: &[u8]) -> Holds {
        Ok(match operator {
            b"=" | b"==" | b"!=" if self.patterned => {
                let rules = self.walker.state.pattern_rules(false);
                let pattern = Pattern::new(right, &vec![false; right.len()], rules);
                pattern.matches(left) == (operator != b"!=")
            }
            b"=~" => self.finds(left, right)?,
            b"=" | b"==" => left == right,
            b"!=" => left != right,
            b"<" => left < right,
            b">" => left > right,
            b"-nt" | b"-ot" | b"-ef" => self.walker.file_comparison(operator, left, right),
            _ => compare(operator, self.order(left, right).ok_or(Wrong::Expression)?),
        })
    }

    /// Whether a regular expression is found.
    fn finds(&mut self, text: &[u8], expression: &[u8]) -> Holds {
        let rules = Rules::new(&self.walker.state, false);
        let quoting = vec![false; expression.len()];
        let quoted = Quoted { marks: &quoting, bare_brackets: false };
        let span = self.call.span;
        match Regular::new(expression, quoted, rules).map_err(|excess| excess.at(span))? {
            Some(regular) => {
                Ok(regular.find(text).map_err(|too_long| too_long.at(span))?.is_some())
            }
            None if self.patterned => Err(Wrong::Expression),
            None => Ok(false),
        }
    }

    /// The order of two numbers, which real numbers that are none may lack; `None` where one is no number.
    fn order(&mut self, left: &[u8], right: &[u8]) -> Option<Option<Ordering>> {
        if self.dialect().test_compares_reals {
            let span = self.call.span;
            return match self.dialect().test_numbers {
                TestNumbers::Reals => {
                    let (left, right) = (real(left)?, real(right)?);
                    arithmetic::text_order(self.walker, (&left, span), (&right, span)).ok()
                }
                _ => arithmetic::text_order(self.walker, (left, span), (right, span)).ok(),
            };
        }
        let (left, right) = (self.number(left)?, self.number(right)?);
        Some(Some(left.cmp(&right)))
    }
}

/// The number in base ten that a text is as C's `strtold` takes it, without blanks and zeros before its digits;
/// nothing is a number too.
fn real(text: &[u8]) -> Option<Vec<u8>> {
    let text = text.trim_ascii_start();
    let number = text.strip_prefix(b"-").or(text.strip_prefix(b"+")).unwrap_or(text);
    if text.is_empty() || NO_NUMBERS.iter().any(|word| number.eq_ignore_ascii_case(word)) {
        return Some(text.to_vec());
    }
    let (digits, exponent) = match number.find_byteset(b"eE") {
        Some(at) => (&number[..at], &number[at + 1..]),
        None => (number, &b""[..]),
    };
    let exponent = exponent.strip_prefix(b"-").or(exponent.strip_prefix(b"+")).unwrap_or(exponent);
    let is_digit = |byte: &u8| byte.is_ascii_digit();
    let is_number = !digits.is_empty()
        && digits.iter().all(|byte| is_digit(byte) || *byte == b'.')
        && digits.iter().filter(|byte| **byte == b'.').count() < 2
        && exponent.iter().all(is_digit);
    // A zero before other digits would make it octal.
    let zeros = digits.iter().take_while(|byte| **byte == b'0').count();
    let skipped = if digits.get(zeros).is_some_and(is_digit) { zeros } else { 0 };
    let sign = &text[..text.len() - number.len()];
    is_number.then(|| [sign, &number[skipped..]].concat())
}

/// The words that are numbers without digits.
const NO_NUMBERS: [&[u8]; 3] = [b"inf", b"infinity", b"nan"];

/// A number with blanks before it and nothing behind it.
fn leading(text: &[u8], dialect: &Dialect) -> Option<i64> {
    let text = text.trim_start_with(|one| matches!(one, ' ' | '\t' | '\n'));
    let digits = text.strip_prefix(b"-").or(text.strip_prefix(b"+")).unwrap_or(text);
    if !digits.iter().all(u8::is_ascii_digit) {
        return None;
    }
    let cut = || digits_of(digits, 10, dialect).unwrap_or(0);
    let sign = if text.starts_with(b"-") { -1 } else { 1 };
    Some(number(text).unwrap_or_else(|| cut().wrapping_mul(sign)))
}
