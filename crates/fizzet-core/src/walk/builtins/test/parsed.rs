//! Tests that are read whole before anything is asked, by the rules of `[[ ... ]]` but for the number of words
//! that are left (observed in zsh 5.9).

use super::{Holds, Operators, Wrong};

/// Whether the words hold.
pub(super) fn holds(operators: Operators<'_>, words: &[&[u8]]) -> Holds {
    let (words, negated) = stripped(&operators, words);
    if words.is_empty() {
        return Ok(false);
    }
    let mut reader = Reader { operators: &operators, words, at: 0, word: None, token: Token::End };
    reader.advance();
    let tree = reader.or().filter(|_| reader.token != Token::Wrong && reader.word.is_none());
    let tree = tree.ok_or(Wrong::Expression)?;
    Ok(answer(operators, &tree)? != negated)
}

/// The words without parentheses around three or four of them, and without the `!` before three of them.
fn stripped<'a, 'w>(operators: &Operators<'_>, words: &'a [&'w [u8]]) -> (&'a [&'w [u8]], bool) {
    let inner = match words {
        [b"(", operator, b")"] if operators.is_binary(operator) => words,
        [b"(", inner @ .., b")"] if matches!(inner.len(), 1 | 2) => inner,
        _ => words,
    };
    match inner {
        [b"!", rest @ ..] if words.len() == 4 => (rest, true),
        _ => (inner, false),
    }
}

#[derive(Clone, Copy, PartialEq, Eq)]
enum Token {
    End,
    Text,
    Not,
    And,
    Or,
    Opens,
    Closes,
    /// Something was read behind the end.
    Wrong,
}

/// An expression.
enum Tree<'w> {
    Unary(&'w [u8], &'w [u8]),
    Binary(&'w [u8], &'w [u8], &'w [u8]),
    Not(Box<Tree<'w>>),
    And(Box<(Tree<'w>, Tree<'w>)>),
    Or(Box<(Tree<'w>, Tree<'w>)>),
    /// An operator that no one knows, which only matters when it is asked.
    Unknown,
}

/// The answer of a tree; what is known without its right side does not ask that.
fn answer(mut operators: Operators<'_>, tree: &Tree<'_>) -> Holds {
    fn ask(operators: &mut Operators<'_>, tree: &Tree<'_>) -> Holds {
        match tree {
            Tree::Unary(operator, operand) => operators.unary(operator, operand),
            Tree::Binary(left, operator, right) => operators.binary(left, operator, right),
            Tree::Not(inner) => Ok(!ask(operators, inner)?),
            Tree::And(sides) => Ok(ask(operators, &sides.0)? && ask(operators, &sides.1)?),
            Tree::Or(sides) => Ok(ask(operators, &sides.0)? || ask(operators, &sides.1)?),
            Tree::Unknown => Err(Wrong::Expression),
        }
    }
    ask(&mut operators, tree)
}

struct Reader<'a, 'o, 'w> {
    operators: &'a Operators<'o>,
    words: &'a [&'w [u8]],
    /// The word behind the current one.
    at: usize,
    /// The current word; `None` at the end.
    word: Option<&'w [u8]>,
    token: Token,
}

impl<'w> Reader<'_, '_, 'w> {
    fn advance(&mut self) {
        if self.token == Token::Wrong {
            return;
        }
        self.word = self.words.get(self.at).copied();
        self.token = match self.word {
            None if self.at > 0 && self.token == Token::End => Token::Wrong,
            None => Token::End,
            Some(b"-o") => Token::Or,
            Some(b"-a") => Token::And,
            Some(b"!") => Token::Not,
            Some(b"(") => Token::Opens,
            Some(b")") => Token::Closes,
            Some(_) => Token::Text,
        };
        self.at += usize::from(self.word.is_some());
    }

    /// The current word, which the next one replaces.
    fn take(&mut self) -> Option<&'w [u8]> {
        let word = self.word;
        self.advance();
        word
    }

    fn or(&mut self) -> Option<Tree<'w>> {
        let left = self.and()?;
        if self.token != Token::Or {
            return Some(left);
        }
        self.advance();
        Some(Tree::Or(Box::new((left, self.or()?))))
    }

    fn and(&mut self) -> Option<Tree<'w>> {
        let left = self.primary()?;
        if self.token != Token::And {
            return Some(left);
        }
        self.advance();
        Some(Tree::And(Box::new((left, self.and()?))))
    }

    fn primary(&mut self) -> Option<Tree<'w>> {
        let next = self.words.get(self.at).copied();
        match (self.word, self.words.len() - self.at) {
            (None, _) if self.token == Token::End => return Some(Tree::Unary(b"-n", b"")),
            (None, _) => return None,
            (Some(b"-t"), 0) => {
                self.advance();
                return Some(Tree::Unary(b"-t", b"1"));
            }
            (Some(_), 0) => return self.text(),
            (Some(_), 1) => {}
            (Some(_), _) if next.is_some_and(|next| self.compares_early(next)) => {
                return self.comparison();
            }
            (Some(b"!"), _) if matches!(next, Some(b"-a" | b"-o")) => return self.text(),
            (Some(_), _) => {}
        }
        match self.token {
            Token::Not => {
                self.advance();
                Some(Tree::Not(Box::new(self.primary()?)))
            }
            Token::Opens => self.group(),
            Token::Text => self.operation(),
            _ => self.text(),
        }
    }

    fn group(&mut self) -> Option<Tree<'w>> {
        self.advance();
        let inner = self.or()?;
        if self.token != Token::Closes {
            return None;
        }
        self.advance();
        Some(inner)
    }

    /// The current word as a text that may be empty.
    fn text(&mut self) -> Option<Tree<'w>> {
        Some(Tree::Unary(b"-n", self.take()?))
    }

    /// Three words whatever they are.
    fn comparison(&mut self) -> Option<Tree<'w>> {
        let (left, operator, right) = (self.take()?, self.take()?, self.take()?);
        Some(Tree::Binary(left, operator, right))
    }

    /// What begins with a text.
    fn operation(&mut self) -> Option<Tree<'w>> {
        let is_last_but_one = self.words.len() - self.at == 1;
        let first = self.take()?;
        let takes_any = is_last_but_one && self.word.is_some() && first.starts_with(b"-");
        if self.token != Token::Text && !takes_any {
            return Some(Tree::Unary(b"-n", first));
        }
        let second = self.take()?;
        if self.token != Token::Text || self.operators.is_unary(first) {
            return unary(self.operators, first, second);
        }
        let third = self.take()?;
        let mut more = false;
        while self.token == Token::Text {
            self.advance();
            more = true;
        }
        match second {
            _ if more => unknown(first),
            b"=~" => Some(Tree::Binary(first, second, third)),
            [b'-', ..] if self.compares_early(second) => Some(Tree::Binary(first, second, third)),
            [b'-', ..] => Some(Tree::Unknown),
            _ => unknown(first),
        }
    }

    /// Whether a word between two others compares them, whatever they are.
    fn compares_early(&self, word: &[u8]) -> bool {
        self.operators.is_binary(word) && word != b"=~"
    }
}

/// An operator that may be unknown, and its operand.
fn unary<'w>(operators: &Operators<'_>, operator: &'w [u8], operand: &'w [u8]) -> Option<Tree<'w>> {
    match operators.is_unary(operator) {
        true => Some(Tree::Unary(operator, operand)),
        false => unknown(operator),
    }
}

/// Something that could be an operator if a module were there.
fn unknown<'w>(operator: &[u8]) -> Option<Tree<'w>> {
    matches!(operator, [b'-', _, ..]).then_some(Tree::Unknown)
}
