//! Tests that pass over what stands behind them (observed in ksh93u+m).

use super::{Holds, Operators, Wrong};
use crate::walk::builtins::control::number_before;

/// Whether the words hold.
pub(super) fn holds(operators: Operators<'_>, words: &[&[u8]]) -> Holds {
    let words = match words {
        [b"(", operator, b")"] if operators.is_binary(operator) || is_connector(operator) => words,
        [b"(", one, b")"] => return Ok(!one.is_empty()),
        [b"(", inner @ .., b")"] if matches!(inner.len(), 2 | 3) => inner,
        _ => words,
    };
    Reader { operators, words, at: 0 }.counted()
}

/// What an expression ends at, besides the last word.
#[derive(Clone, Copy, PartialEq, Eq)]
enum End {
    /// Any word but a connector.
    Anywhere,
    /// A parenthesis; anything else is a mistake.
    Parenthesis,
    /// A parenthesis or `-o`; anything else is a mistake.
    Disjunction,
}

struct Reader<'a> {
    operators: Operators<'a>,
    words: &'a [&'a [u8]],
    /// The next word.
    at: usize,
}

impl<'a> Reader<'a> {
    /// Up to four words their number decides.
    fn counted(&mut self) -> Holds {
        match *self.words {
            [] => Ok(false),
            [b"-t"] => self.operators.unary(b"-t", b"1"),
            [one] => Ok(!one.is_empty()),
            [b"!", _] => {
                self.words = &self.words[1..];
                Ok(!self.counted()?)
            }
            [operator, operand] => self.operators.unary(operator, operand),
            [left, operator, right] if self.operators.is_binary(operator) => {
                self.operators.binary(left, operator, right)
            }
            [_, connector, _] if is_connector(connector) => self.whole(End::Anywhere),
            [b"!", b"!", operand] => Ok(!operand.is_empty()),
            [b"!", operator, operand] => Ok(!self.operators.unary(operator, operand)?),
            [operator, operand, _] => self.operators.unary(operator, operand),
            [b"!", left, operator, right] if self.operators.is_binary(operator) => {
                Ok(!self.operators.binary(left, operator, right)?)
            }
            _ => self.whole(End::Anywhere),
        }
    }

    /// An expression with its connectors. Both sides of one are read.
    fn whole(&mut self, end: End) -> Holds {
        let mut holds = self.primary()?;
        while let Some(word) = self.next() {
            match word {
                b")" if end != End::Anywhere => {
                    self.at -= 1;
                    break;
                }
                b"-o" if end == End::Disjunction => {
                    self.at -= 1;
                    break;
                }
                b"-o" => holds |= self.whole(End::Parenthesis)?,
                b"-a" => holds &= self.whole(End::Disjunction)?,
                _ if end == End::Anywhere => break,
                _ => return Err(Wrong::Expression),
            }
        }
        Ok(holds)
    }

    fn next(&mut self) -> Option<&'a [u8]> {
        let word = self.words.get(self.at).copied();
        self.at += usize::from(word.is_some());
        word
    }

    fn primary(&mut self) -> Holds {
        let first = self.next().ok_or(Wrong::Expression)?;
        match (first, self.words.get(self.at).copied()) {
            (b"!", Some(_)) => Ok(!self.primary()?),
            (b"(", _) => {
                let holds = self.whole(End::Parenthesis)?;
                if self.next() == Some(b")") { Ok(holds) } else { Err(Wrong::Expression) }
            }
            (_, Some(operator @ (b"=" | b"!="))) => self.comparison(first, operator),
            (b"-t", None) => self.operators.unary(b"-t", b"1"),
            (b"-t", Some(operand)) => {
                self.at += 1;
                match number_before(operand, "") {
                    Some(_) => self.operators.unary(b"-t", operand),
                    None => Ok(false),
                }
            }
            (b"-", Some(_)) => Err(Wrong::Expression),
            (_, Some(operand)) if self.operators.is_unary(first) => {
                self.at += 1;
                self.operators.unary(first, operand)
            }
            (_, None) => Ok(!first.is_empty()),
            (_, Some(connector)) if is_connector(connector) => Ok(!first.is_empty()),
            (_, Some(operator)) if self.operators.is_binary(operator) => {
                self.comparison(first, operator)
            }
            _ => Err(Wrong::Expression),
        }
    }

    fn comparison(&mut self, left: &[u8], operator: &[u8]) -> Holds {
        self.at += 1;
        let right = self.next().ok_or(Wrong::Expression)?;
        self.operators.binary(left, operator, right)
    }
}

fn is_connector(word: &[u8]) -> bool {
    matches!(word, b"-a" | b"-o")
}
