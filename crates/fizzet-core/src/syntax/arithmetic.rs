//! Arithmetic expressions: text to tree, with the precedence of C (POSIX XCU 1.1.2.1).

use crate::dialect::{BehindChoice, Dialect, Quotes, WhileReading};
use crate::syntax::cursor::is_name_start;
use crate::syntax::expression::{Assigning, NO_VARIABLE, assigned};
pub use crate::syntax::expression::{Expression, Target};
pub use crate::syntax::functions::Function;
pub use crate::syntax::numeral::constant;
pub(crate) use crate::syntax::numeral::{
    character_code, character_of, digits, has_hexadecimal, written_base,
};
use crate::syntax::operators::{ASSIGNING, BINARY, SIGNS};
pub use crate::syntax::operators::{Binary, Unary};
pub use crate::syntax::signs::Showing;

/// What is wrong with `++` at what is no variable.
pub(super) const NO_STEP: &str = "++ and -- need a variable";

/// The deepest nesting of an expression that is read.
const MAX_DEPTH: u32 = 256;

/// Why a text is no expression.
#[derive(Debug)]
pub struct Refused {
    /// What is wrong with it.
    pub message: String,
    /// What the shell evaluates until then, if it evaluates while it reads: it ends in [`Expression::Wrong`].
    pub before: Option<Box<Expression>>,
    /// The whole expression, where what follows it is no sign of arithmetic.
    pub whole: Option<Box<Expression>>,
}

/// Reads an expression.
///
/// # Errors
/// What the shell of this dialect refuses.
pub fn parse(text: &[u8], dialect: &Dialect) -> Result<Expression, Refused> {
    let mut reader =
        Reader { text, dialect, at: 0, depth: 0, forgets_signs: false, base: None, before: None };
    reader.blanks();
    if reader.at == text.len() && dialect.empty_arithmetic_is_zero {
        return Ok(Expression::Written(0, 0));
    }
    let unsigned = dialect.sign_makes_unsigned && text.get(reader.at) == Some(&b'#');
    if unsigned {
        reader.at += 1;
        reader.blanks();
        if reader.at == text.len() {
            return Ok(Expression::Number(0));
        }
    }
    let showing = reader.showing();
    let expression = match (reader.comma(), unsigned) {
        (Ok(expression), true) => Ok(Expression::Unsigned(Box::new(expression))),
        (expression, _) => expression,
    };
    let expression = expression.map(|expression| match showing {
        Some(showing) => Expression::Shown(showing, Box::new(expression)),
        None => expression,
    });
    reader.blanks();
    let (message, whole) = match expression {
        Ok(expression) if reader.at == text.len() => return Ok(expression),
        Ok(expression) => {
            let whole = reader.at_no_sign().then(|| Box::new(expression.clone()));
            let message = reader.wrong("an operator");
            reader.leave_behind(expression);
            (message, whole)
        }
        Err(message) => (message, None),
    };
    let evaluates = dialect.arithmetic_while_reading != WhileReading::Nothing;
    let before = reader.before.filter(|_| evaluates).map(Box::new);
    Err(Refused { message, before, whole })
}

pub(super) struct Reader<'a> {
    pub(super) text: &'a [u8],
    pub(super) dialect: &'a Dialect,
    pub(super) at: usize,
    depth: u32,
    /// Whether signs before a parenthesis do not count, since only the end of the text closes it.
    pub(super) forgets_signs: bool,
    /// The base that the latest constant with one has named, where that counts.
    pub(super) base: Option<u32>,
    /// What has been read around a mistake, the mistake itself at its end; nothing where that is all.
    pub(super) before: Option<Expression>,
}

pub(super) type Read = Result<Expression, String>;

impl Reader<'_> {
    pub(super) fn wrong(&self, expected: &str) -> String {
        let rest = String::from_utf8_lossy(&self.text[self.at..]);
        match rest.is_empty() {
            true => format!("the expression ends where {expected} was expected"),
            false => format!("{expected} was expected at `{rest}`"),
        }
    }

    /// Keeps an expression behind which nothing fits. A shell that evaluates by operators has carried
    /// out only those that something has closed: what is no sign of arithmetic does so too.
    pub(super) fn leave_behind(&mut self, expression: Expression) {
        let closed = self.dialect.arithmetic_while_reading != WhileReading::Operators
            || self.rest().starts_with(b")")
            || self.at_no_sign();
        self.before = Some(match closed {
            true => Expression::Comma(Box::new(expression), Box::new(Expression::Wrong)),
            false => expression.pending(),
        });
    }

    /// A mistake, with what has been read around it.
    pub(super) fn broken(&mut self) -> Box<Expression> {
        Box::new(self.before.take().unwrap_or(Expression::Wrong))
    }

    /// A mistake behind something that is evaluated before it.
    pub(super) fn wrong_behind(&mut self, left: Expression) {
        self.before = Some(Expression::Comma(Box::new(left), self.broken()));
    }

    /// Whether a byte that no expression can hold stands here, where that ends an expression.
    fn at_no_sign(&self) -> bool {
        let is_none = |byte: &u8| b";@{}\\'`]".contains(byte);
        self.dialect.no_signs_end_expressions && self.rest().first().is_some_and(is_none)
    }

    /// An operator with what stands to the right of it; what stands to its left has been read already.
    fn behind(
        &mut self,
        left: Expression,
        make: impl FnOnce(Box<Expression>, Box<Expression>) -> Expression,
        read: impl FnOnce(&mut Self) -> Read,
    ) -> Read {
        let left = Box::new(left);
        match read(self) {
            Ok(right) => Ok(make(left, Box::new(right))),
            Err(message) => {
                self.before = Some(make(left, self.broken()));
                Err(message)
            }
        }
    }

    pub(super) fn blanks(&mut self) {
        let separates = self.dialect.arithmetic_quotes == Quotes::Separate;
        let blanks = self.dialect.arithmetic_blanks.as_bytes();
        let blank = |byte: &u8| blanks.contains(byte) || (separates && *byte == b'"');
        while self.text.get(self.at).is_some_and(blank) {
            self.at += 1;
        }
    }

    pub(super) fn peek(&mut self) -> Option<u8> {
        self.blanks();
        self.text.get(self.at).copied()
    }

    pub(super) fn rest(&self) -> &[u8] {
        &self.text[self.at..]
    }

    pub(super) fn eat(&mut self, sign: &[u8]) -> bool {
        self.blanks();
        let there = self.rest().starts_with(sign);
        if there {
            self.at += sign.len();
        }
        there
    }

    pub(super) fn comma(&mut self) -> Read {
        if self.passes_last_signs() {
            return Ok(Expression::Number(0));
        }
        let mut left = self.assignment()?;
        while self.dialect.arithmetic_comma && self.eat(b",") {
            let ends = self.dialect.last_comma_is_nothing && self.peek().is_none();
            if ends || self.passes_last_signs() {
                break;
            }
            left = self.behind(left, Expression::Comma, Self::assignment)?;
        }
        Ok(left)
    }

    /// Passes over plus signs that nothing but the end of the text follows, where those count for nothing.
    fn passes_last_signs(&mut self) -> bool {
        self.blanks();
        let blanks = self.dialect.arithmetic_blanks.as_bytes();
        let passes = self.dialect.plus_signs_at_end
            && self.peek() == Some(b'+')
            && self.rest().iter().all(|byte| *byte == b'+' || blanks.contains(byte));
        if passes {
            self.at = self.text.len();
        }
        passes
    }

    pub(super) fn deeper(&mut self, read: impl FnOnce(&mut Self) -> Read) -> Read {
        if self.depth >= MAX_DEPTH {
            return Err(format!("the expression is nested deeper than {MAX_DEPTH} levels"));
        }
        self.depth += 1;
        let result = read(self);
        self.depth -= 1;
        result
    }

    pub(super) fn assignment(&mut self) -> Read {
        self.deeper(|reader| {
            let in_parentheses = reader.peek() == Some(b'(');
            let left = reader.choice()?;
            let Some(operator) = reader.assigning() else { return Ok(left) };
            let takes_choice = reader.dialect.assigns_behind_choice == BehindChoice::Taken;
            if takes_choice && matches!(left, Expression::Choice(..)) {
                let value = reader.assignment()?;
                return Ok(assigned(left, operator, value));
            }
            let assigns = !in_parentheses || reader.dialect.parentheses_are_assigned;
            let target = match left {
                Expression::Variable(target) if assigns => target,
                left => {
                    let by_operators =
                        reader.dialect.arithmetic_while_reading == WhileReading::Operators;
                    let value = if by_operators { reader.assignment().map(Some) } else { Ok(None) };
                    if let Ok(Some(value)) = value {
                        reader.wrong_behind(value);
                    }
                    reader.wrong_behind(left);
                    return Err(NO_VARIABLE.into());
                }
            };
            let value = match reader.assignment() {
                Ok(value) => value,
                Err(message) => {
                    let value = *reader.broken();
                    reader.before = Some(assigned(Expression::Variable(target), operator, value));
                    return Err(message);
                }
            };
            if !reader.reads_next() {
                return Ok(value);
            }
            let assigned = assigned(Expression::Variable(target), operator, value);
            Ok(match reader.base {
                Some(base) => Expression::Based(base, Box::new(assigned)),
                None => assigned,
            })
        })
    }

    /// Whether what stands next can be read, where the shell reads it before it assigns.
    pub(super) fn reads_next(&mut self) -> bool {
        let Some(byte) = self.peek() else { return true };
        if self.dialect.arithmetic_while_reading != WhileReading::Ahead {
            return true;
        }
        let (at, base) = (self.at, self.base);
        let reads = match byte {
            b'0'..=b'9' => self.number().is_ok(),
            b'\'' if self.dialect.arithmetic_characters => self.character().is_ok(),
            _ if self.begins_name() => self.target().is_ok(),
            _ => !self.dialect.arithmetic_refuses_signs || SIGNS.contains(&byte),
        };
        (self.at, self.base) = (at, base);
        reads
    }

    /// `=` or an operator with `=`.
    fn assigning(&mut self) -> Option<Assigning> {
        self.blanks();
        let rest = self.rest();
        if rest.starts_with(b"=") && !rest.starts_with(b"==") {
            self.at += 1;
            return Some(Assigning::Plain);
        }
        if self.dialect.arithmetic_logic_assigns {
            let signs =
                [(b"&&=", Assigning::And), (b"||=", Assigning::Or), (b"^^=", Assigning::Either)];
            if let Some((_, what)) = signs.into_iter().find(|(sign, _)| rest.starts_with(*sign)) {
                self.at += 3;
                return Some(what);
            }
        }
        let found = BINARY.iter().find(|(sign, operator)| {
            self.assigns(*operator)
                && self.has(*operator)
                && rest.starts_with(sign)
                && rest.get(sign.len()) == Some(&b'=')
        });
        let (sign, operator) = found?;
        self.at += sign.len() + 1;
        Some(Assigning::Operator(*operator))
    }

    /// Whether an operator also assigns, as `+=`.
    fn assigns(&self, operator: Binary) -> bool {
        let logic = self.dialect.arithmetic_logic_assigns;
        ASSIGNING.contains(&operator) || (operator == Binary::Power && logic)
    }

    fn choice(&mut self) -> Read {
        let mut condition = self.or()?;
        while self.dialect.empty_choice_is_or && self.eat(b"?:") {
            condition = self.behind(condition, Expression::Or, Self::or)?;
        }
        if !self.eat(b"?") {
            return Ok(condition);
        }
        let condition = Box::new(condition);
        let yes = match self.chosen() {
            Ok(yes) => Box::new(yes),
            Err(message) => {
                let (yes, no) = (self.broken(), Box::new(Expression::Number(0)));
                self.before = Some(Expression::Choice(condition, yes, no));
                return Err(message);
            }
        };
        let no = match self.dialect.assigns_behind_choice {
            BehindChoice::Last => self.assignment(),
            _ => self.deeper(Self::choice),
        };
        match no {
            Ok(no) => Ok(Expression::Choice(condition, yes, Box::new(no))),
            Err(message) => {
                let no = self.broken();
                let yes = match self.dialect.arithmetic_while_reading {
                    // The side that is taken is whole, but the choice itself is not.
                    WhileReading::Operators => {
                        Box::new(Expression::Comma(yes, Box::new(Expression::Wrong)))
                    }
                    _ => yes,
                };
                self.before = Some(Expression::Choice(condition, yes, no));
                Err(message)
            }
        }
    }

    /// What stands between `?` and `:`.
    fn chosen(&mut self) -> Read {
        let yes = match self.dialect.assigns_in_choice {
            true => self.deeper(Self::comma)?,
            false if self.dialect.choices_nest_in_middle => self.deeper(Self::choice)?,
            false => self.or()?,
        };
        if self.eat(b":") {
            return Ok(yes);
        }
        let message = self.wrong(":");
        self.leave_behind(yes);
        Err(message)
    }

    fn or(&mut self) -> Read {
        let mut left = self.and()?;
        loop {
            let make = match self.logic() {
                b"||" => Expression::Or,
                b"^^" => Expression::Either,
                _ => return Ok(left),
            };
            self.at += 2;
            left = self.behind(left, make, Self::and)?;
        }
    }

    /// The two signs of a logical operator that stands here, unless it assigns.
    fn logic(&mut self) -> &[u8] {
        self.blanks();
        let (whole, either) = (self.dialect.arithmetic_logic_assigns, self.rest());
        match either {
            [b'&', b'&', b'=', ..] | [b'|', b'|', b'=', ..] | [b'^', b'^', b'=', ..] if whole => {
                b""
            }
            [b'^', b'^', ..] if !whole => b"",
            [first @ (b'&' | b'|' | b'^'), second, ..] if first == second => &either[..2],
            _ => b"",
        }
    }

    fn and(&mut self) -> Read {
        let mut left = self.binary(0)?;
        while self.logic() == b"&&" {
            self.at += 2;
            left = self.behind(left, Expression::And, |reader| reader.binary(0))?;
        }
        Ok(left)
    }

    fn binary(&mut self, least: u8) -> Read {
        let mut left = self.unary()?;
        if self.steps_behind_value() {
            // What has been stepped is no variable any more, but its step is done.
            let is_stepped = matches!(left, Expression::Step { .. });
            return match self.dialect.arithmetic_while_reading {
                _ if self.dialect.arithmetic_double_signs => Ok(left),
                WhileReading::Ahead if is_stepped => Ok(left),
                _ => {
                    self.wrong_behind(left);
                    Err(NO_STEP.into())
                }
            };
        }
        while let Some((length, operator, binds)) = self.binary_operator()
            && binds >= least
        {
            self.at += length;
            // Powers group from the right, everything else from the left.
            let next = if operator == Binary::Power { binds } else { binds + 1 };
            let read = |reader: &mut Self| reader.deeper(|reader| reader.binary(next));
            let make = |left, right| Expression::Binary(operator, left, right);
            left = self.behind(left, make, read)?;
        }
        Ok(left)
    }

    /// Whether `++` or `--` stands here, behind a value: no operator, unless the shell takes them for two
    /// signs where no name follows.
    fn steps_behind_value(&mut self) -> bool {
        self.blanks();
        let is_step = matches!(self.rest(), [b'+', b'+', ..] | [b'-', b'-', ..]);
        if !is_step || !self.dialect.arithmetic_steps {
            return false;
        }
        let blanks = self.dialect.arithmetic_blanks.as_bytes();
        let behind = self.rest()[2..].iter().find(|byte| !blanks.contains(byte));
        behind.is_some_and(|&byte| is_name_start(byte)) || !self.dialect.arithmetic_double_signs
    }

    /// Whether the shell has an operator.
    fn has(&self, operator: Binary) -> bool {
        match operator {
            Binary::Power => self.dialect.arithmetic_power,
            Binary::RotateLeft | Binary::RotateRight => self.dialect.arithmetic_rotates,
            _ => true,
        }
    }

    fn binary_operator(&mut self) -> Option<(usize, Binary, u8)> {
        self.blanks();
        let rest = self.rest();
        let either = self.dialect.arithmetic_logic_assigns && rest.starts_with(b"^^");
        if rest.starts_with(b"&&") || rest.starts_with(b"||") || either {
            return None;
        }
        let &(sign, operator) =
            BINARY.iter().find(|(sign, operator)| rest.starts_with(sign) && self.has(*operator))?;
        let binds = operator.binds(self.dialect.bits_bind_first);
        let assigns = self.assigns(operator)
            && rest.get(sign.len()) == Some(&b'=')
            && rest.get(sign.len() + 1) != Some(&b'=');
        (!assigns).then_some((sign.len(), operator, binds))
    }
}
