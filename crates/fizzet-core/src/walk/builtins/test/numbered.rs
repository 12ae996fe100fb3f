//! Tests whose number of words decides first (POSIX XCU test); only longer ones are read as a grammar. So do
//! bash and mksh.

use super::{Holds, Operators, Wrong};
use crate::walk::builtins::control::number_before;

/// Whether the words hold.
pub(super) fn holds(operators: Operators<'_>, words: &[&[u8]]) -> Holds {
    Reader { operators, words, at: 0, skips: false }.expression()
}

/// Reads an expression.
struct Reader<'a> {
    operators: Operators<'a>,
    words: &'a [&'a [u8]],
    at: usize,
    /// Whether the answer is known, so that nothing is asked any more.
    skips: bool,
}

impl Reader<'_> {
    /// What the number of words decides comes first; the rest is read as a grammar.
    fn expression(&mut self) -> Holds {
        match *self.words {
            [] => Ok(false),
            [one] => Ok(!one.is_empty()),
            [b"!", one] => Ok(one.is_empty()),
            [operator, operand] => self.unary(operator, operand),
            [left, operator, right] if self.operators.is_binary(operator) => {
                self.binary(left, operator, right)
            }
            [left, b"-a", right] => Ok(!left.is_empty() && !right.is_empty()),
            [left, b"-o", right] => Ok(!left.is_empty() || !right.is_empty()),
            [b"!", _, _] | [b"!", _, _, _] => {
                self.words = &self.words[1..];
                Ok(!self.expression()?)
            }
            [first, one, last] if self.are_parentheses(first, last) => Ok(!one.is_empty()),
            [b"(", b"!", operand, b")"] => Ok(operand.is_empty()),
            [b"(", operator, operand, b")"] => self.unary(operator, operand),
            _ => {
                let holds = self.or()?;
                if self.at == self.words.len() { Ok(holds) } else { Err(Wrong::Expression) }
            }
        }
    }

    /// Whether the first and the last of three words are parentheses; only their first bytes count in some shells.
    fn are_parentheses(&self, first: &[u8], last: &[u8]) -> bool {
        match self.operators.dialect().test_parentheses_go_by_first_byte {
            true => first.starts_with(b"(") && last.starts_with(b")"),
            false => first == b"(" && last == b")",
        }
    }

    fn word(&self) -> Option<&[u8]> {
        self.words.get(self.at).copied()
    }

    fn or(&mut self) -> Holds {
        let mut holds = self.and()?;
        while self.word() == Some(b"-o") {
            self.at += 1;
            holds |= self.unless(holds, Self::and)?;
        }
        Ok(holds)
    }

    fn and(&mut self) -> Holds {
        let mut holds = self.not()?;
        while self.word() == Some(b"-a") {
            self.at += 1;
            holds &= self.unless(!holds, Self::not)?;
        }
        Ok(holds)
    }

    /// The operand of a connector, which some shells only read where the answer is known.
    fn unless(&mut self, known: bool, operand: fn(&mut Self) -> Holds) -> Holds {
        let skipped = self.skips;
        self.skips |= known && self.operators.dialect().test_skips_known;
        let holds = operand(self);
        self.skips = skipped;
        holds
    }

    fn not(&mut self) -> Holds {
        let mut negated = false;
        while self.word() == Some(b"!") {
            self.at += 1;
            negated = !negated;
        }
        Ok(self.primary()? != negated)
    }

    fn primary(&mut self) -> Holds {
        let words = self.words;
        let dialect = self.operators.dialect();
        match *words.get(self.at..).unwrap_or_default() {
            [b"(", ..] => {
                self.at += 1;
                let holds = self.or()?;
                let closes = self.word() == Some(b")");
                self.at += 1;
                if closes { Ok(holds) } else { Err(Wrong::Expression) }
            }
            [left, operator, right, ..] if self.operators.is_binary(operator) => {
                self.at += 3;
                self.binary(left, operator, right)
            }
            [_, operator]
                if dialect.test_needs_second_operand && self.operators.is_binary(operator) =>
            {
                Err(Wrong::Expression)
            }
            [b"-t", operand, ..]
                if dialect.test_terminal_needs_number
                    && number_before(operand, " \t").is_none() =>
            {
                self.at += 1;
                Ok(false)
            }
            [operator, operand, ..] if self.operators.is_unary(operator) => {
                self.at += 2;
                self.unary(operator, operand)
            }
            [one, ..] => {
                self.at += 1;
                Ok(!one.is_empty())
            }
            [] => Err(Wrong::Expression),
        }
    }

    fn unary(&mut self, operator: &[u8], operand: &[u8]) -> Holds {
        if self.skips { Ok(false) } else { self.operators.unary(operator, operand) }
    }

    fn binary(&mut self, left: &[u8], operator: &[u8], right: &[u8]) -> Holds {
        if self.skips { Ok(false) } else { self.operators.binary(left, operator, right) }
    }
}
