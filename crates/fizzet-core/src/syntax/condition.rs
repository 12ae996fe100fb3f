//! `[[ expression ]]`.

use bstr::ByteSlice;

use crate::dialect::AliasesBehindBlank;
use crate::syntax::ast::{CommandKind, Condition, Part, Word};
use crate::syntax::cursor::{Parsed, Parser, PatternWord};
use crate::syntax::within::Within;

const BINARY: &[&[u8]] = &[
    b"==", b"=~", b"=", b"!=", b"<", b">", b"-eq", b"-ne", b"-lt", b"-le", b"-gt", b"-ge", b"-nt",
    b"-ot", b"-ef",
];

/// The letter of a test that is none.
const NO_TEST: u8 = b'-';

impl<'a> Parser<'a> {
    /// The expression behind `[[`, and the `]]`.
    pub(super) fn conditional(&mut self, start: usize) -> Parsed<CommandKind> {
        let condition = self.deeper(Parser::condition_or)?;
        self.skip_newlines()?;
        if !self.eat_reserved(b"]]") {
            return match self.at_end() {
                true => Err(self.unclosed(start, 2, "[[", "]]")),
                false => self.unexpected("an operator or ]]"),
            };
        }
        Ok(CommandKind::Conditional(Box::new(condition)))
    }

    fn condition_or(&mut self) -> Parsed<Condition> {
        let mut left = self.condition_and()?;
        self.skip_newlines()?;
        while self.eat(b"||") {
            self.skip_newlines()?;
            left = Condition::Or(Box::new(left), Box::new(self.condition_and()?));
            self.skip_newlines()?;
        }
        Ok(left)
    }

    fn condition_and(&mut self) -> Parsed<Condition> {
        let mut left = self.condition_term()?;
        self.skip_newlines()?;
        while self.eat(b"&&") {
            self.skip_newlines()?;
            left = Condition::And(Box::new(left), Box::new(self.condition_term()?));
            self.skip_newlines()?;
        }
        Ok(left)
    }

    fn condition_term(&mut self) -> Parsed<Condition> {
        self.skip_newlines()?;
        if self.eat_reserved(b"!") {
            let term = self.deeper(Parser::condition_term)?;
            return Ok(Condition::Not(Box::new(term)));
        }
        if self.eat(b"(") {
            let inner = self.deeper(Parser::condition_or)?;
            self.skip_newlines()?;
            if !self.eat(b")") {
                return self.unexpected(")");
            }
            return Ok(Condition::Group(Box::new(inner)));
        }
        if self.at_reserved(b"]]") {
            return self.unexpected("an expression");
        }
        let left = self.operand("an expression")?;
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        self.newlines_in_condition()?;
        self.skip_blanks();
        let any_operand = self.dialect.tests_take_any_operand;
        match left.literal() {
            Some([b'-', letter]) if any_operand && self.is_test(*letter) => {
                let operator = *letter;
                let operand = self.test_operand()?;
                return Ok(Condition::Unary { operator, operand });
            }
            Some([b'-'] | [b'-', _]) if !any_operand => return self.test_or_comparison(left),
            _ => {}
        }
        let operator = match self.binary_operator() {
            None if self.dialect.test_operators_may_be_quoted => self.quoted_operator()?,
            operator => operator,
        };
        match operator {
            Some(operator) => self.binary(left, operator),
            None if self.dialect.tests_are_looked_for && self.at_operand() => self.named_test(left),
            None => self.lone_word(left),
        }
    }

    fn at_operand(&mut self) -> bool {
        self.at_word() && !self.at_reserved(b"]]")
    }

    /// A test by name: the name comes first, or between two operands.
    fn named_test(&mut self, first: Word) -> Parsed<Condition> {
        let is_name = |word: &Word| matches!(word.literal(), Some([b'-', _, ..]));
        let mut words = vec![first];
        let mut named = is_name(&words[0]);
        while self.at_operand() || (words.len() > 1 && self.at_bare_group()) {
            words.push(self.word(Within::Word)?);
            self.newlines_in_condition()?;
            self.skip_blanks();
        }
        named |= words.len() == 3 && is_name(&words[1]);
        match named {
            true => Ok(Condition::Named(words)),
            false => self.unexpected("an operator or ]]"),
        }
    }

    /// An operand that must be there.
    fn operand(&mut self, expected: &'static str) -> Parsed<Word> {
        if !self.dialect.operands_take_brackets {
            return self.expect_word(expected);
        }
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        self.skip_blanks();
        match self.at_word() {
            true => self.command_word(),
            false => self.unexpected(expected),
        }
    }

    /// Whether `[[` knows a test of this letter.
    fn is_test(&self, letter: u8) -> bool {
        letter == b'o' || self.dialect.test_letters.as_bytes().contains(&letter)
    }

    fn test_operand(&mut self) -> Parsed<Word> {
        match self.at_reserved(b"]]") {
            true => self.unexpected("an operand of the test"),
            false => self.operand("an operand of the test"),
        }
    }

    /// What begins with a short word with a dash, where that is a test unless it is compared; whether
    /// there is such a test is seen when it is carried out.
    fn test_or_comparison(&mut self, left: Word) -> Parsed<Condition> {
        let before = self.pos;
        if let Some(operator) = self.binary_operator() {
            self.skip_blanks();
            if self.at_word() && !self.at_reserved(b"]]") {
                return self.binary(left, operator);
            }
            self.pos = before;
        }
        let letter = left.literal().and_then(|text| text.get(1)).copied();
        match letter {
            Some(_) if self.at_reserved(b"!") => self.unexpected("an operand of the test"),
            Some(operator) if self.at_word() && !self.at_reserved(b"]]") => {
                let operand = self.word(Within::Word)?;
                Ok(Condition::Unary { operator, operand })
            }
            _ => Ok(Condition::Unary { operator: NO_TEST, operand: left }),
        }
    }

    /// A word alone, behind which most shells look for an operator on the same line.
    fn lone_word(&mut self, word: Word) -> Parsed<Condition> {
        if self.raw() == Some(b'\n') && !self.dialect.newlines_between_operands {
            return self.unexpected("an operator or ]]");
        }
        Ok(Condition::Word(word))
    }

    /// Steps over newlines between an operator and its operands, where the shell takes them.
    fn newlines_in_condition(&mut self) -> Parsed<()> {
        if self.dialect.newlines_between_operands {
            self.skip_newlines()?;
        }
        Ok(())
    }

    fn binary_operator(&mut self) -> Option<&'static [u8]> {
        for &operator in BINARY {
            let is_there = match operator {
                b"=~" if !self.dialect.regular_expressions => false,
                b"<" | b">" => self.eat(operator),
                _ => self.eat_reserved(operator),
            };
            if is_there {
                return Some(operator);
            }
        }
        None
    }

    /// An operator that is quoted, if there is one.
    fn quoted_operator(&mut self) -> Parsed<Option<&'static [u8]>> {
        if !matches!(self.raw(), Some(b'\\' | b'\'' | b'"' | b'-' | b'=' | b'!')) {
            return Ok(None);
        }
        let before = self.pos;
        let fixed = self.word(Within::Word)?.fixed();
        let operator = BINARY.iter().find(|&&one| fixed.as_deref() == Some(one)).copied();
        if operator.is_none() {
            self.pos = before;
        }
        Ok(operator)
    }

    fn binary(&mut self, left: Word, operator: &[u8]) -> Parsed<Condition> {
        self.newlines_in_condition()?;
        self.skip_blanks();
        let right = match operator {
            b"=~" => self.regular_operand()?,
            b"==" | b"=" | b"!=" => self.pattern_operand()?,
            b"<" | b">" => self.operand("an operand")?,
            _ if self.at_bare_group() => self.word(Within::Word)?,
            _ => self.operand("an operand")?,
        };
        if right.parts.is_empty() {
            return self.unexpected("an operand");
        }
        Ok(Condition::Binary { operator: operator.into(), left, right })
    }

    /// The expression behind `=~`.
    fn regular_operand(&mut self) -> Parsed<Word> {
        let word = self.word(Within::Expression)?;
        let is_empty_group =
            |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains_str("()"));
        if self.dialect.regular_refuses_empty_groups && word.parts.iter().any(is_empty_group) {
            return self.unexpected("something in the parentheses");
        }
        Ok(word)
    }

    /// In `[[`, the right side of `==` is a pattern, with extended patterns in every shell.
    fn pattern_operand(&mut self) -> Parsed<Word> {
        let before = std::mem::replace(&mut self.extended_patterns, !self.dialect.bare_groups);
        let outer = std::mem::replace(&mut self.pattern_word, PatternWord::OfCondition);
        let word = match self.at_bare_group() {
            true => self.word(Within::Word),
            false => self.operand("a pattern"),
        };
        self.extended_patterns = before;
        self.pattern_word = outer;
        word
    }
}
