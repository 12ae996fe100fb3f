//! Arithmetic expressions: text to tree, with the precedence of C (POSIX XCU 1.1.2.1).

use std::rc::Rc;

use crate::dialect::Dialect;
use crate::syntax::cursor::{is_name_byte, is_name_start};

/// The deepest nesting of an expression that is read.
const MAX_DEPTH: u32 = 256;

/// An expression.
#[derive(Clone, Debug)]
pub enum Expression {
    /// A constant.
    Number(i64),
    /// A variable, or an element of an array with the text of its index.
    Variable(Target),
    /// `- + ! ~`
    Unary(Unary, Box<Expression>),
    /// `left operator right`
    Binary(Binary, Box<Expression>, Box<Expression>),
    /// `a && b`
    And(Box<Expression>, Box<Expression>),
    /// `a || b`
    Or(Box<Expression>, Box<Expression>),
    /// `c ? a : b`
    Choice(Box<Expression>, Box<Expression>, Box<Expression>),
    /// `x = v`, `x += v`
    Assign(Target, Option<Binary>, Box<Expression>),
    /// `++x`, `x++` and the like.
    Step {
        /// What is changed.
        target: Target,
        /// By how much.
        by: i64,
        /// Whether the value is the one before the change.
        after: bool,
    },
    /// `a, b`
    Comma(Box<Expression>, Box<Expression>),
}

/// What can be assigned.
#[derive(Clone, Debug)]
pub struct Target {
    /// The variable.
    pub name: Rc<[u8]>,
    /// The text of the index.
    pub index: Option<Rc<[u8]>>,
}

/// Operators with one operand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Unary {
    /// `-`
    Minus,
    /// `+`
    Plus,
    /// `!`
    Not,
    /// `~`
    Complement,
}

/// Operators with two operands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Binary {
    /// `**`
    Power,
    /// `*`
    Times,
    /// `/`
    Divide,
    /// `%`
    Remainder,
    /// `+`
    Plus,
    /// `-`
    Minus,
    /// `<<`
    Left,
    /// `>>`
    Right,
    /// `<`
    Less,
    /// `<=`
    LessEqual,
    /// `>`
    Greater,
    /// `>=`
    GreaterEqual,
    /// `==`
    Equal,
    /// `!=`
    NotEqual,
    /// `&`
    BitAnd,
    /// `^`
    BitXor,
    /// `|`
    BitOr,
}

/// Operators with two operands, longest first, with how tightly they bind.
const BINARY: &[(&[u8], Binary, u8)] = &[
    (b"**", Binary::Power, 14),
    (b"<<", Binary::Left, 11),
    (b">>", Binary::Right, 11),
    (b"<=", Binary::LessEqual, 10),
    (b">=", Binary::GreaterEqual, 10),
    (b"==", Binary::Equal, 9),
    (b"!=", Binary::NotEqual, 9),
    (b"*", Binary::Times, 13),
    (b"/", Binary::Divide, 13),
    (b"%", Binary::Remainder, 13),
    (b"+", Binary::Plus, 12),
    (b"-", Binary::Minus, 12),
    (b"<", Binary::Less, 10),
    (b">", Binary::Greater, 10),
    (b"&", Binary::BitAnd, 8),
    (b"^", Binary::BitXor, 7),
    (b"|", Binary::BitOr, 6),
];

/// Operators that also assign, as `+=`.
const ASSIGNING: &[Binary] = &[
    Binary::Times,
    Binary::Divide,
    Binary::Remainder,
    Binary::Plus,
    Binary::Minus,
    Binary::Left,
    Binary::Right,
    Binary::BitAnd,
    Binary::BitXor,
    Binary::BitOr,
];

/// Reads an expression; the error says what is wrong with it.
///
/// # Errors
/// What the shell of this dialect refuses.
pub fn parse(text: &[u8], dialect: &Dialect) -> Result<Expression, String> {
    let mut reader = Reader { text, dialect, at: 0, depth: 0 };
    reader.blanks();
    if reader.at == text.len() && dialect.empty_arithmetic_is_zero {
        return Ok(Expression::Number(0));
    }
    let expression = reader.comma()?;
    reader.blanks();
    if reader.at < text.len() {
        return Err(reader.wrong("an operator"));
    }
    Ok(expression)
}

struct Reader<'a> {
    text: &'a [u8],
    dialect: &'a Dialect,
    at: usize,
    depth: u32,
}

type Read = Result<Expression, String>;

impl Reader<'_> {
    fn wrong(&self, expected: &str) -> String {
        let rest = String::from_utf8_lossy(&self.text[self.at..]);
        match rest.is_empty() {
            true => format!("the expression ends where {expected} was expected"),
            false => format!("{expected} was expected at `{rest}`"),
        }
    }

    fn blanks(&mut self) {
        while self.text.get(self.at).is_some_and(u8::is_ascii_whitespace) {
            self.at += 1;
        }
    }

    fn peek(&mut self) -> Option<u8> {
        self.blanks();
        self.text.get(self.at).copied()
    }

    fn rest(&self) -> &[u8] {
        &self.text[self.at..]
    }

    fn eat(&mut self, sign: &[u8]) -> bool {
        self.blanks();
        let there = self.rest().starts_with(sign);
        if there {
            self.at += sign.len();
        }
        there
    }

    fn comma(&mut self) -> Read {
        let mut left = self.assignment()?;
        while self.dialect.arithmetic_comma && self.eat(b",") {
            left = Expression::Comma(Box::new(left), Box::new(self.assignment()?));
        }
        Ok(left)
    }

    fn deeper(&mut self, read: impl FnOnce(&mut Self) -> Read) -> Read {
        if self.depth >= MAX_DEPTH {
            return Err(format!("the expression is nested deeper than {MAX_DEPTH} levels"));
        }
        self.depth += 1;
        let result = read(self);
        self.depth -= 1;
        result
    }

    fn assignment(&mut self) -> Read {
        self.deeper(|reader| {
            let left = reader.choice()?;
            let Some(operator) = reader.assigning() else { return Ok(left) };
            let Expression::Variable(target) = left else {
                return Err("only a variable can be assigned".into());
            };
            let value = reader.assignment()?;
            Ok(Expression::Assign(target, operator, Box::new(value)))
        })
    }

    /// `=` or an operator with `=`.
    fn assigning(&mut self) -> Option<Option<Binary>> {
        self.blanks();
        let rest = self.rest();
        if rest.starts_with(b"=") && !rest.starts_with(b"==") {
            self.at += 1;
            return Some(None);
        }
        let found = BINARY.iter().find(|(sign, operator, _)| {
            ASSIGNING.contains(operator)
                && rest.starts_with(sign)
                && rest.get(sign.len()) == Some(&b'=')
        });
        let (sign, operator, _) = found?;
        self.at += sign.len() + 1;
        Some(Some(*operator))
    }

    fn choice(&mut self) -> Read {
        let condition = self.or()?;
        if !self.eat(b"?") {
            return Ok(condition);
        }
        let yes = self.deeper(Self::comma)?;
        if !self.eat(b":") {
            return Err(self.wrong(":"));
        }
        let no = self.deeper(Self::choice)?;
        Ok(Expression::Choice(Box::new(condition), Box::new(yes), Box::new(no)))
    }

    fn or(&mut self) -> Read {
        let mut left = self.and()?;
        while self.eat(b"||") {
            left = Expression::Or(Box::new(left), Box::new(self.and()?));
        }
        Ok(left)
    }

    fn and(&mut self) -> Read {
        let mut left = self.binary(0)?;
        while self.eat(b"&&") {
            left = Expression::And(Box::new(left), Box::new(self.binary(0)?));
        }
        Ok(left)
    }

    fn binary(&mut self, least: u8) -> Read {
        let mut left = self.unary()?;
        while let Some((length, operator, binds)) = self.binary_operator()
            && binds >= least
        {
            self.at += length;
            // Powers group from the right, everything else from the left.
            let next = if operator == Binary::Power { binds } else { binds + 1 };
            let right = self.deeper(|reader| reader.binary(next))?;
            left = Expression::Binary(operator, Box::new(left), Box::new(right));
        }
        Ok(left)
    }

    fn binary_operator(&mut self) -> Option<(usize, Binary, u8)> {
        self.blanks();
        let rest = self.rest();
        if rest.starts_with(b"&&") || rest.starts_with(b"||") {
            return None;
        }
        let &(sign, operator, binds) = BINARY.iter().find(|(sign, operator, _)| {
            rest.starts_with(sign) && (*operator != Binary::Power || self.dialect.arithmetic_power)
        })?;
        let assigns = ASSIGNING.contains(&operator)
            && rest.get(sign.len()) == Some(&b'=')
            && rest.get(sign.len() + 1) != Some(&b'=');
        (!assigns).then_some((sign.len(), operator, binds))
    }

    fn unary(&mut self) -> Read {
        let Some(byte) = self.peek() else { return Err(self.wrong("a value")) };
        let doubled = self.text.get(self.at + 1) == Some(&byte);
        let operator = match byte {
            b'+' | b'-' if doubled && self.dialect.arithmetic_steps => {
                return self.step_before(byte);
            }
            b'-' => Unary::Minus,
            b'+' => Unary::Plus,
            b'!' => Unary::Not,
            b'~' => Unary::Complement,
            _ => return self.primary(),
        };
        self.at += 1;
        let operand = self.deeper(Self::unary)?;
        Ok(Expression::Unary(operator, Box::new(operand)))
    }

    /// `++x` or `--x`; where the shell allows it, two signs before anything else.
    fn step_before(&mut self, sign: u8) -> Read {
        let start = self.at;
        self.at += 2;
        if self.peek().is_some_and(is_name_start) {
            let target = self.target()?;
            let by = if sign == b'+' { 1 } else { -1 };
            return Ok(Expression::Step { target, by, after: false });
        }
        if !self.dialect.arithmetic_double_signs {
            return Err("++ and -- need a variable".into());
        }
        self.at = start + 1;
        let operand = self.deeper(Self::unary)?;
        let operator = if sign == b'+' { Unary::Plus } else { Unary::Minus };
        Ok(Expression::Unary(operator, Box::new(operand)))
    }

    fn primary(&mut self) -> Read {
        match self.peek() {
            Some(b'(') => {
                self.at += 1;
                let inner = self.deeper(Self::comma)?;
                if !self.eat(b")") {
                    return Err(self.wrong(")"));
                }
                Ok(inner)
            }
            Some(byte) if byte.is_ascii_digit() => self.number(),
            Some(byte) if is_name_start(byte) => {
                let target = self.target()?;
                if self.dialect.arithmetic_steps {
                    for (sign, by) in [(b"++", 1), (b"--", -1)] {
                        if self.eat(sign) {
                            return Ok(Expression::Step { target, by, after: true });
                        }
                    }
                }
                Ok(Expression::Variable(target))
            }
            _ => Err(self.wrong("a value")),
        }
    }

    fn target(&mut self) -> Result<Target, String> {
        self.blanks();
        let start = self.at;
        while self.text.get(self.at).copied().is_some_and(is_name_byte) {
            self.at += 1;
        }
        let name = self.text[start..self.at].into();
        if !self.dialect.arrays || self.text.get(self.at) != Some(&b'[') {
            return Ok(Target { name, index: None });
        }
        let open = self.at + 1;
        let mut level = 0u32;
        while let Some(&byte) = self.text.get(self.at) {
            self.at += 1;
            match byte {
                b'[' => level += 1,
                b']' => level -= 1,
                _ => {}
            }
            if level == 0 {
                let index = Some(self.text[open..self.at - 1].into());
                return Ok(Target { name, index });
            }
        }
        Err("the index of an array is never closed".into())
    }

    fn number(&mut self) -> Read {
        let start = self.at;
        let all = |byte: &u8| is_name_byte(*byte) || matches!(byte, b'#' | b'@');
        while self.text.get(self.at).is_some_and(all) {
            self.at += 1;
        }
        let text = &self.text[start..self.at];
        match constant(text, self.dialect) {
            Some(value) => Ok(Expression::Number(value)),
            None => Err(format!("`{}` is no number here", String::from_utf8_lossy(text))),
        }
    }
}

/// The value of a constant: decimal, `0x`, octal where a leading zero means that, `base#digits`
/// where the shell has it.
pub fn constant(text: &[u8], dialect: &Dialect) -> Option<i64> {
    if let Some(sign) = text.iter().position(|&byte| byte == b'#') {
        let base = std::str::from_utf8(&text[..sign]).ok()?.parse::<u32>().ok()?;
        let most = dialect.arithmetic_largest_base;
        return digits(&text[sign + 1..], base, dialect).filter(|_| (2..=most).contains(&base));
    }
    match text {
        [b'0', b'x' | b'X'] if dialect.empty_hexadecimal => Some(0),
        [b'0', b'x' | b'X', rest @ ..] => digits(rest, 16, dialect),
        [b'0', rest @ ..] if dialect.arithmetic_octal && !rest.is_empty() => {
            digits(rest, 8, dialect)
        }
        _ => digits(text, 10, dialect),
    }
}

/// Digits of a base up to 64: `0-9 a-z A-Z @ _`; up to 36 the case of a letter does not count.
fn digits(text: &[u8], base: u32, dialect: &Dialect) -> Option<i64> {
    if text.is_empty() {
        return None;
    }
    let (mut value, mut overflown) = (0i64, false);
    for &byte in text {
        let digit = match byte {
            b'0'..=b'9' => byte - b'0',
            b'a'..=b'z' => byte - b'a' + 10,
            b'A'..=b'Z' if base <= 36 => byte - b'A' + 10,
            b'A'..=b'Z' => byte - b'A' + 36,
            b'@' => 62,
            b'_' => 63,
            _ => return None,
        };
        if u32::from(digit) >= base {
            return None;
        }
        let step = value
            .checked_mul(i64::from(base))
            .and_then(|value| value.checked_add(i64::from(digit)));
        overflown |= step.is_none();
        value = value.wrapping_mul(i64::from(base)).wrapping_add(i64::from(digit));
    }
    match overflown && dialect.arithmetic_saturates {
        true => Some(i64::MAX),
        false => Some(value),
    }
}
