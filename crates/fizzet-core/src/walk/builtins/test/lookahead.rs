//! Tests that look one word ahead. dash and busybox sh have them from one ancestor (observed in dash 0.5.12 and
//! busybox 1.35).

use smallvec::SmallVec;

use super::{Holds, Operators, Wrong};
use crate::dialect::TestLookahead;

type Words<'a> = SmallVec<[&'a [u8]; 8]>;

/// Whether the words hold.
pub(super) fn holds(operators: Operators<'_>, words: Words<'_>, way: TestLookahead) -> Holds {
    let reader = Reader { operators, words, at: 0, way };
    match way {
        TestLookahead::OperatorsFirst => reader.stripped(),
        TestLookahead::ComparisonsFirst => reader.counted(),
    }
}

/// What a word is where it stands.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Kind {
    /// There is no word.
    End,
    Operand,
    Not,
    And,
    Or,
    Opens,
    Closes,
    /// An operator with one operand.
    Unary,
    /// An operator with two operands.
    Binary,
}

struct Reader<'a, 'w> {
    operators: Operators<'a>,
    words: Words<'w>,
    /// The last word that has been read.
    at: usize,
    way: TestLookahead,
}

impl Reader<'_, '_> {
    /// Three and four words lose the `!` before them, all of which count once, and the parentheses around them.
    fn stripped(mut self) -> Holds {
        let mut negated = false;
        loop {
            let kind = match self.words.as_slice() {
                [] => return Ok(negated),
                [_, operator, _] if self.operators.is_binary(operator) => Kind::Operand,
                [b"(", .., b")"] if matches!(self.words.len(), 3 | 4) => {
                    self.words.pop();
                    self.words.remove(0);
                    self.kind(0)
                }
                [b"!", ..] if matches!(self.words.len(), 3 | 4) => {
                    self.words.remove(0);
                    negated = true;
                    continue;
                }
                _ => self.kind(0),
            };
            return Ok(self.whole(kind)? != negated);
        }
    }

    /// One word and comparisons of three words are looked for behind every `!`; four words in parentheses lose
    /// the last one.
    fn counted(mut self) -> Holds {
        let (mut from, mut negated) = (0, false);
        loop {
            match self.words[from..] {
                [] => return Ok(negated),
                [one] => return Ok(one.is_empty() == negated),
                [left, operator, right] if self.operators.is_binary(operator) => {
                    return Ok(self.operators.binary(left, operator, right)? != negated);
                }
                [b"(", _, _, b")"] => {
                    self.words.pop();
                    from += 1;
                }
                _ => {}
            }
            if self.words[from] != b"!" {
                break;
            }
            (from, negated) = (from + 1, !negated);
        }
        let kind = self.kind(0);
        self.whole(kind)
    }

    /// The words as a grammar, behind which nothing may stand.
    fn whole(&mut self, first: Kind) -> Holds {
        let holds = self.or(first)?;
        if self.at + 1 < self.words.len() { Err(Wrong::Expression) } else { Ok(holds) }
    }

    fn or(&mut self, first: Kind) -> Holds {
        let mut holds = self.and(first)?;
        while self.kind(self.at + 1) == Kind::Or {
            self.at += 2;
            holds |= self.and(self.kind(self.at))?;
        }
        Ok(holds)
    }

    fn and(&mut self, first: Kind) -> Holds {
        let mut holds = self.not(first)?;
        while self.kind(self.at + 1) == Kind::And {
            self.at += 2;
            holds &= self.not(self.kind(self.at))?;
        }
        Ok(holds)
    }

    fn not(&mut self, mut kind: Kind) -> Holds {
        let mut negated = false;
        while kind == Kind::Not {
            negated = !negated;
            kind = self.kind(self.at + 1);
            if kind == Kind::End {
                return Ok(negated);
            }
            self.at += 1;
        }
        Ok(self.primary(kind)? != negated)
    }

    fn primary(&mut self, kind: Kind) -> Holds {
        match (self.way, kind) {
            (TestLookahead::OperatorsFirst, Kind::End) => Ok(false),
            (TestLookahead::ComparisonsFirst, Kind::End) => Err(Wrong::Expression),
            (_, Kind::Opens) => self.group(),
            (TestLookahead::OperatorsFirst, Kind::Unary) => self.unary(),
            (TestLookahead::ComparisonsFirst, Kind::Unary)
                if self.kind(self.at + 1) != Kind::End
                    && !(self.kind(self.at + 1) == Kind::Binary
                        && self.at + 2 < self.words.len()) =>
            {
                self.unary()
            }
            _ if self.kind(self.at + 1) == Kind::Binary => self.comparison(),
            _ => Ok(!self.words[self.at].is_empty()),
        }
    }

    fn group(&mut self) -> Holds {
        self.at += 1;
        let kind = self.kind(self.at);
        if self.way == TestLookahead::OperatorsFirst && kind == Kind::Closes {
            return Ok(false);
        }
        let holds = self.or(kind)?;
        self.at += 1;
        if self.kind(self.at) == Kind::Closes { Ok(holds) } else { Err(Wrong::Expression) }
    }

    fn unary(&mut self) -> Holds {
        let operator = self.words[self.at];
        self.at += 1;
        self.operators.unary(operator, self.words[self.at])
    }

    fn comparison(&mut self) -> Holds {
        let (left, operator) = (self.words[self.at], self.words[self.at + 1]);
        let right = *self.words.get(self.at + 2).ok_or(Wrong::Expression)?;
        self.at += 2;
        self.operators.binary(left, operator, right)
    }

    /// What the word at a place is. An operator with one operand is a text at the end and before an operator
    /// with two, and a parenthesis that opens at the end, if operators come first.
    fn kind(&self, at: usize) -> Kind {
        let Some(word) = self.words.get(at) else { return Kind::End };
        let kind = self.kind_alone(word);
        if self.way == TestLookahead::ComparisonsFirst {
            return kind;
        }
        let is_text = match (kind, self.words.get(at + 1..).unwrap_or_default()) {
            (Kind::Unary | Kind::Opens, []) => true,
            (Kind::Unary, [operator, _, ..]) => self.operators.is_binary(operator),
            _ => false,
        };
        if is_text { Kind::Operand } else { kind }
    }

    fn kind_alone(&self, word: &[u8]) -> Kind {
        match word {
            b"!" => Kind::Not,
            b"(" => Kind::Opens,
            b")" => Kind::Closes,
            b"-a" if !self.operators.patterned => Kind::And,
            b"-o" if !self.operators.patterned => Kind::Or,
            b"&&" if self.operators.patterned => Kind::And,
            b"||" if self.operators.patterned => Kind::Or,
            _ if self.operators.is_binary(word) => Kind::Binary,
            _ if self.operators.is_unary(word) => Kind::Unary,
            _ => Kind::Operand,
        }
    }
}
