//! `test` and `[` (POSIX XCU test).

use bstr::ByteSlice;
use smallvec::SmallVec;

use crate::dialect::{Dialect, TestGroups, TestNumbers};
use crate::expand::pattern::Pattern;
use crate::expand::regular::{Quoted, Regular, Rules};
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
        walker.missing("whether this test holds", call.span);
        return Ok(1);
    }
    let words: SmallVec<[&[u8]; 8]> = words.iter().map(Text::bytes).collect();
    let mut reader =
        Reader { walker, call, words: &words, at: 0, operated: false, connected: false, patterned };
    match reader.expression()? {
        Some(holds) => Ok(Status::from(!holds)),
        None => Ok(2),
    }
}

/// Reads an expression; `None` means that it is none: status 2.
struct Reader<'a> {
    walker: &'a mut Walker,
    call: &'a Call<'a>,
    words: &'a [&'a [u8]],
    at: usize,
    /// Whether an operator has been carried out.
    operated: bool,
    /// Whether `-a` or `-o` stood there, outside of the parentheses that are closed.
    connected: bool,
    /// Whether `=` takes a pattern, and `=~` is known.
    patterned: bool,
}

type Holds = Result<Option<bool>, Stop>;

impl Reader<'_> {
    /// What the number of words decides comes first (POSIX); the rest is read as a grammar.
    fn expression(&mut self) -> Holds {
        match *self.words {
            [] => Ok(Some(false)),
            [b"-t"] if self.walker.state.dialect.test_terminal_alone => {
                self.walker.unary_test(b't', b"1", self.call.span).map(Some)
            }
            [one] => Ok(Some(!one.is_empty())),
            [b"!", one] => Ok(Some(one.is_empty())),
            [left, connector @ (b"-a" | b"-o")]
                if self.walker.state.dialect.test_may_end_in_connector
                    && left != b"("
                    && (left == b"-o" || !self.is_unary(left)) =>
            {
                Ok(Some(connector == b"-o" && !left.is_empty()))
            }
            [b"(", b")"] if self.walker.state.dialect.test_empty_group_is_false => Ok(Some(false)),
            [b"-a", _] if !self.walker.state.dialect.test_has_unary_a => Ok(None),
            [operator, operand] => self.unary(operator, operand),
            [left, operator, right] if is_binary(operator) => self.binary(left, operator, right),
            [left, connector @ (b"-a" | b"-o"), right]
                if !self.patterned
                    && (self.walker.state.dialect.test_connects_three || !is_operator(left)) =>
            {
                let (left, right) = (!left.is_empty(), !right.is_empty());
                Ok(Some(if connector == b"-a" { left && right } else { left || right }))
            }
            [operator, operand, _]
                if self.walker.state.dialect.test_ignores_rest
                    && !self.patterned
                    && self.is_unary(operator) =>
            {
                self.unary(operator, operand)
            }
            [b"!", _, _] => self.negated(),
            [b"(", one, b")"] => match self.walker.state.dialect.test_groups {
                TestGroups::ButConnectors if matches!(one, b"-a" | b"-o") => Ok(None),
                TestGroups::Strict if !matches!(one, b"-a" | b"-o") => self.whole(),
                _ => Ok(Some(!one.is_empty())),
            },
            [b"(", b"!", operand, b")"] => Ok(Some(operand.is_empty())),
            [b"(", operator, operand, b")"] => match self.walker.state.dialect.test_groups {
                TestGroups::Strict => Ok(None),
                _ => self.unary(operator, operand),
            },
            [b"!", b"(", operator, _]
                if self.walker.state.dialect.test_ignores_rest && !is_binary(operator) =>
            {
                self.whole()
            }
            [b"(", .., b")"] if self.words.len() == 5 && self.loses_parentheses() => {
                self.words = &self.words[1..4];
                self.expression()
            }
            [b"!", one, other, _] if self.walker.state.dialect.test_negates_three => {
                match (one, other) {
                    (b"!", b"!") if self.walker.state.dialect.test_negates_once => {
                        self.words = &self.words[1..];
                        self.expression()
                    }
                    _ => self.negated(),
                }
            }
            [b"!", left, operator, right] if is_binary(operator) => {
                Ok(self.binary(left, operator, right)?.map(|holds| !holds))
            }
            _ => self.whole(),
        }
    }

    /// Whether five words lose the parentheses around them, so that their number decides again.
    fn loses_parentheses(&self) -> bool {
        self.walker.state.dialect.test_ignores_rest && !self.patterned
    }

    /// The words as a grammar. What stands behind an expression is passed over in some shells, but not behind
    /// the operand of a connector, unless it is a parenthesis.
    fn whole(&mut self) -> Holds {
        let holds = self.or()?;
        let ignores = self.walker.state.dialect.test_ignores_rest
            && self.operated
            && (!self.connected || self.word(0) == Some(b")"));
        Ok(holds.filter(|_| ignores || self.at == self.words.len()))
    }

    /// The opposite of what stands behind the first word.
    fn negated(&mut self) -> Holds {
        self.words = &self.words[1..];
        Ok(self.expression()?.map(|holds| !holds))
    }

    fn word(&self, ahead: usize) -> Option<&'static [u8]> {
        // Only operators are asked for, so the answer can be one of ours.
        let word = *self.words.get(self.at + ahead)?;
        let connectors: [&[u8]; 2] = if self.patterned { [b"||", b"&&"] } else { [b"-o", b"-a"] };
        match connectors.iter().position(|known| *known == word) {
            Some(0) => return Some(b"-o"),
            Some(_) => return Some(b"-a"),
            None => {}
        }
        [&b"!"[..], b"(", b")"].into_iter().find(|known| *known == word)
    }

    fn or(&mut self) -> Holds {
        let mut holds = self.and()?;
        while self.word(0) == Some(b"-o") {
            (self.at, self.connected) = (self.at + 1, true);
            let right = self.and()?;
            holds = holds.zip(right).map(|(left, right)| left || right);
        }
        Ok(holds)
    }

    fn and(&mut self) -> Holds {
        let mut holds = self.not()?;
        while self.word(0) == Some(b"-a") {
            (self.at, self.connected) = (self.at + 1, true);
            let right = self.not()?;
            holds = holds.zip(right).map(|(left, right)| left && right);
        }
        Ok(holds)
    }

    fn not(&mut self) -> Holds {
        let mut negated = false;
        let text_at_end = self.walker.state.dialect.test_last_bang_is_text;
        while self.word(0) == Some(b"!")
            && !(text_at_end && self.at > 0 && self.at + 1 == self.words.len())
        {
            self.at += 1;
            negated = !negated;
        }
        Ok(self.primary()?.map(|holds| holds != negated))
    }

    fn primary(&mut self) -> Holds {
        let rest = &self.words[self.at.min(self.words.len())..];
        let groups = !self.patterned && !self.walker.state.dialect.test_compares_parentheses;
        match *rest {
            [operator, operand, ..] if self.is_unary_first(operator, operand) => {
                self.at += 2;
                self.operated = true;
                self.unary(operator, operand)
            }
            [left, operator, right, ..] if is_binary(operator) && !(groups && left == b"(") => {
                self.at += 3;
                self.operated = true;
                self.binary(left, operator, right)
            }
            [b"("] if self.walker.state.dialect.test_last_parenthesis_is_text => {
                self.at += 1;
                Ok(Some(true))
            }
            [b"(", ..] => {
                self.at += 1;
                let connected = self.connected;
                let holds = self.or()?;
                self.connected = connected;
                let closes = self.word(0) == Some(b")");
                self.at += 1;
                Ok(holds.filter(|_| closes))
            }
            [[b'-', letter], operand, ..] if letter.is_ascii_alphabetic() => {
                self.at += 2;
                self.operated = true;
                self.unary(&[b'-', *letter], operand)
            }
            [one, ..] => {
                self.at += 1;
                let needs_connector = self.walker.state.dialect.test_ignores_rest;
                let is_alone = !needs_connector
                    || self.at == self.words.len()
                    || matches!(self.word(0), Some(b"-a" | b"-o"));
                Ok(Some(!one.is_empty()).filter(|_| is_alone))
            }
            // The missing operand of a connector does not hold.
            [] if self.at > 0 && self.walker.state.dialect.test_may_end_in_connector => {
                Ok(Some(false))
            }
            [] => Ok(None),
        }
    }

    /// Whether an operator with one operand comes before any with two but `=` and `!=`.
    fn is_unary_first(&self, operator: &[u8], operand: &[u8]) -> bool {
        self.loses_parentheses()
            && self.is_unary(operator)
            && operator != b"-t"
            && !matches!(operand, b"=" | b"!=")
    }

    fn is_unary(&self, word: &[u8]) -> bool {
        let letters = self.walker.state.dialect.test_letters.as_bytes();
        matches!(word, [b'-', letter] if letters.contains(letter))
    }

    fn number(&mut self, text: &[u8]) -> Option<i64> {
        match self.walker.state.dialect.test_numbers {
            TestNumbers::Trimmed(behind) => return number_before(text, behind),
            TestNumbers::Leading => return leading(text, &self.walker.state.dialect),
            TestNumbers::Expressions => {}
        }
        if !self.walker.state.dialect.test_hexadecimal && has_hexadecimal(text) {
            return None;
        }
        let span = self.call.span;
        arithmetic::text_value(&mut *self.walker, text, span).ok()
    }

    fn unary(&mut self, operator: &[u8], operand: &[u8]) -> Holds {
        match operator {
            [b'-', letter]
                if self.walker.state.dialect.test_letters.as_bytes().contains(letter) =>
            {
                match self.walker.unary_test(*letter, operand, self.call.span) {
                    Err(Stop::Shell(error))
                        if error.reach == Reach::Command
                            || (*letter == b'v'
                                && self.walker.state.dialect.test_forgives_indexes) =>
                    {
                        Ok(None)
                    }
                    held => held.map(Some),
                }
            }
            _ => Ok(None),
        }
    }

    fn binary(&mut self, left: &[u8], operator: &[u8], right: &[u8]) -> Holds {
        Ok(match operator {
            b"==" if !self.walker.state.dialect.test_double_equals => None,
            b"=" | b"==" | b"!=" if self.patterned => {
                let rules = self.walker.state.pattern_rules(false);
                let pattern = Pattern::new(right, &vec![false; right.len()], rules);
                Some(pattern.matches(left) == (operator != b"!="))
            }
            b"=~" if !self.patterned && !self.walker.state.dialect.test_matches_expressions => None,
            b"=~" => {
                let rules = Rules::new(&self.walker.state, false);
                let quoting = vec![false; right.len()];
                let quoted = Quoted { marks: &quoting, bare_brackets: false };
                let span = self.call.span;
                let regular =
                    Regular::new(right, quoted, rules).map_err(|excess| excess.at(span))?;
                let Some(regular) = regular else { return Ok((!self.patterned).then_some(false)) };
                Some(regular.find(left).map_err(|too_long| too_long.at(span))?.is_some())
            }
            b"=" | b"==" => Some(left == right),
            b"!=" => Some(left != right),
            b"<" | b">" if !self.walker.state.dialect.test_orders => None,
            b"<" => Some(left < right),
            b">" => Some(left > right),
            b"-nt" | b"-ot" | b"-ef" => Some(self.walker.file_comparison(operator, left, right)),
            _ if self.walker.state.dialect.test_compares_reals => {
                let (walker, span) = (&mut *self.walker, self.call.span);
                let order = arithmetic::text_order(walker, (left, right), span).ok();
                order.map(|order| compare(operator, order))
            }
            _ => match (self.number(left), self.number(right)) {
                (Some(left), Some(right)) => Some(compare(operator, Some(left.cmp(&right)))),
                _ => None,
            },
        })
    }
}

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

/// Whether a word can stand before another one in an expression.
fn is_operator(word: &[u8]) -> bool {
    match word {
        b"!" | b"(" => true,
        [b'-', letter] => b"abcdefghknoprstuvwxzGLNORS".contains(letter),
        _ => false,
    }
}

fn is_binary(operator: &[u8]) -> bool {
    matches!(
        operator,
        b"=" | b"=="
            | b"=~"
            | b"!="
            | b"<"
            | b">"
            | b"-eq"
            | b"-ne"
            | b"-lt"
            | b"-le"
            | b"-gt"
            | b"-ge"
            | b"-nt"
            | b"-ot"
            | b"-ef"
    )
}
