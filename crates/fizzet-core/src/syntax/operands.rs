//! The operands of arithmetic expressions: signs, constants, variables and their elements, parentheses.

use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{ArithmeticSign, Reals, WhileReading};
use crate::syntax::arithmetic::{Expression, NO_STEP, Read, Reader, Target, Unary};
use crate::syntax::cursor::{is_name_byte, is_name_start};
use crate::syntax::functions::{FUNCTIONS, Function};
use crate::syntax::marked::MARK;

impl Reader<'_> {
    pub(super) fn unary(&mut self) -> Read {
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
        let is_nothing = self.dialect.plus_before_variables_is_nothing && operator == Unary::Plus;
        match self.forgets_signs || is_nothing {
            // The shell forgets the signs before a parenthesis that only the end closes.
            true => Ok(operand),
            false => Ok(Expression::Unary(operator, Box::new(operand))),
        }
    }

    /// `++x` or `--x`; where the shell allows it, two signs before anything else.
    fn step_before(&mut self, sign: u8) -> Read {
        let start = self.at;
        self.at += 2;
        let target = match self.peek() {
            Some(byte) if is_name_start(byte) => {
                let target = self.target()?;
                if !self.reads_next() {
                    return Ok(Expression::Variable(target));
                }
                if self.dialect.arithmetic_while_reading == WhileReading::Operators
                    && let stepped @ Expression::Step { .. } = self.step_behind(target.clone())
                {
                    self.wrong_behind(stepped);
                    return Err(NO_STEP.into());
                }
                target
            }
            Some(b'+') if self.dialect.plus_before_variables_is_nothing => {
                variable(self.deeper(Self::unary)?)?
            }
            Some(b'(') if self.dialect.parentheses_step => variable(self.primary()?)?,
            _ if !self.dialect.arithmetic_double_signs => return Err(NO_STEP.into()),
            _ => {
                self.at = start + 1;
                let operand = self.deeper(Self::unary)?;
                let operator = if sign == b'+' { Unary::Plus } else { Unary::Minus };
                return Ok(Expression::Unary(operator, Box::new(operand)));
            }
        };
        let by = if sign == b'+' { 1 } else { -1 };
        Ok(Expression::Step { target, by, after: false })
    }

    fn primary(&mut self) -> Read {
        self.blanks_before_number();
        match self.peek() {
            Some(b'(') => {
                let open = self.at;
                self.at += 1;
                let inner = self.deeper(Self::comma)?;
                let is_closed = self.eat(b")") || {
                    self.forgets_signs = self.end_closes(open);
                    self.forgets_signs
                };
                if !is_closed {
                    let message = self.wrong(")");
                    self.leave_behind(inner);
                    return Err(message);
                }
                match inner {
                    Expression::Variable(target) if self.dialect.parentheses_are_assigned => {
                        Ok(self.step_behind(target))
                    }
                    inner => Ok(inner),
                }
            }
            Some(byte) if byte.is_ascii_digit() => self.number(),
            Some(b'.') if self.dialect.arithmetic_reals != Reals::None => self.point(),
            Some(b'\'') if self.dialect.arithmetic_characters => self.character(),
            Some(b'#') if self.dialect.arithmetic_sign != ArithmeticSign::Error => self.sign(),
            Some(b'?') if self.dialect.status_is_a_number => {
                self.at += 1;
                Ok(Expression::Status)
            }
            Some(_) if self.begins_name() => {
                let target = self.target()?;
                if let Some(value) = self.infinity(&target) {
                    return Ok(Expression::Real(value));
                }
                if let Some(function) = self.function(&target) {
                    let arguments = self.arguments()?;
                    if arguments.len() != function.1.arity() {
                        return Err("the function has the wrong number of arguments".into());
                    }
                    return Ok(Expression::Function(function, arguments));
                }
                if self.dialect.shell_math_functions && self.text.get(self.at) == Some(&b'(') {
                    return Ok(self.call(target));
                }
                Ok(self.step_behind(target))
            }
            _ => Err(self.wrong("a value")),
        }
    }

    /// A variable, with `++` or `--` if one stands behind it.
    fn step_behind(&mut self, target: Target) -> Expression {
        if self.dialect.arithmetic_steps {
            for (sign, by) in [(b"++", 1), (b"--", -1)] {
                if self.eat(sign) {
                    return Expression::Step { target, by, after: true };
                }
            }
        }
        Expression::Variable(target)
    }

    /// Whether the end of the text closes a parenthesis: nothing but others may stand before it.
    fn end_closes(&self, open: usize) -> bool {
        let blanks = self.dialect.arithmetic_blanks.as_bytes();
        self.dialect.arithmetic_end_closes
            && self.at == self.text.len()
            && self.text[..open].iter().all(|byte| b"(+-!~".contains(byte) || blanks.contains(byte))
    }

    /// Whether a name can begin here.
    pub(super) fn begins_name(&self) -> bool {
        match self.rest().first() {
            Some(&byte) if byte < 0x80 => is_name_start(byte),
            Some(_) => self.wide_letter().is_some(),
            None => false,
        }
    }

    /// The length of a letter or digit beyond ASCII that stands here, where names may hold them.
    fn wide_letter(&self) -> Option<usize> {
        let (start, end, character) = self.rest().char_indices().next()?;
        let is_letter =
            character.is_alphabetic() || (character.is_numeric() && character > '\u{ff}');
        (self.dialect.wide_names && !character.is_ascii() && is_letter).then_some(end - start)
    }

    /// Blanks that only a number may have before it.
    fn blanks_before_number(&mut self) {
        self.blanks();
        let before = self.dialect.arithmetic_blanks_before_numbers.as_bytes();
        let count = self.rest().iter().take_while(|byte| before.contains(byte)).count();
        if self.rest().get(count).is_some_and(u8::is_ascii_digit) {
            self.at += count;
        }
    }

    pub(super) fn target(&mut self) -> Result<Target, String> {
        self.blanks();
        let start = self.at;
        while let Some(&byte) = self.text.get(self.at) {
            let is_member = byte == b'.'
                && self.dialect.arithmetic_members
                && self.text.get(self.at + 1).copied().is_some_and(is_name_byte);
            let length = if is_name_byte(byte) || is_member { Some(1) } else { self.wide_letter() };
            let Some(length) = length else { break };
            self.at += length;
        }
        if !self.dialect.arrays || self.text.get(self.at) != Some(&b'[') {
            return Ok(Target::whole(&self.text[start..self.at]));
        }
        loop {
            let name = self.text[start..self.at].into();
            let index = Some(self.index()?);
            let goes_on = self.dialect.compound_variables && self.is_inside();
            if !goes_on {
                let is_last = self.at == self.text.len();
                return Ok(Target { name, index, is_last });
            }
            if self.text[self.at] == b'.' {
                let member = |&&byte: &&u8| byte == b'.' || is_name_byte(byte);
                self.at += self.rest().iter().take_while(member).count();
            }
            if self.text.get(self.at) != Some(&b'[') {
                return Ok(Target::whole(&self.text[start..self.at]));
            }
        }
    }

    /// Whether what stands behind brackets leads to a variable inside the element.
    fn is_inside(&self) -> bool {
        let next = |&byte: &u8| is_name_byte(byte) && !byte.is_ascii_digit();
        match self.rest() {
            [b'[', ..] => true,
            [b'.', first, ..] => next(first),
            _ => false,
        }
    }

    /// The text between the brackets that stand here.
    fn index(&mut self) -> Result<Rc<[u8]>, String> {
        let open = self.at + 1;
        let mut level = 0u32;
        while let Some(&byte) = self.text.get(self.at) {
            self.at += 1;
            match byte {
                MARK if self.dialect.indexes_hide_brackets => self.at += 1,
                b'[' => level += 1,
                b']' => level -= 1,
                _ => {}
            }
            if level == 0 {
                return Ok(self.text[open..self.at - 1].into());
            }
        }
        Err("the index of an array is never closed".into())
    }

    /// The arguments of a function, with commas between them, in the parentheses that stand here.
    fn arguments(&mut self) -> Result<Vec<Expression>, String> {
        let open = self.at;
        self.at += 1;
        let mut all = vec![self.deeper(Self::assignment)?];
        while self.eat(b",") {
            all.push(self.deeper(Self::assignment)?);
        }
        let is_closed = self.eat(b")") || {
            self.forgets_signs = self.end_closes(open);
            self.forgets_signs
        };
        if is_closed { Ok(all) } else { Err(self.wrong(")")) }
    }

    /// A call of a function that the script may have made, with its operands if they can be read.
    fn call(&mut self, target: Target) -> Expression {
        let open = self.at;
        let mut level = 0u32;
        let length = self.text[open..].iter().position(|&byte| {
            level += u32::from(byte == b'(');
            level -= u32::from(byte == b')');
            level == 0
        });
        let close = length.map_or(self.text.len(), |length| open + length);
        let text: Box<[u8]> = self.text[open + 1..close].into();
        let operands = match text.trim_ascii().is_empty() {
            true => Some(Vec::new()),
            false => self.arguments().ok().filter(|_| self.at == close + 1),
        };
        self.at = (close + 1).min(self.text.len());
        Expression::Call { name: target.name, operands, text }
    }

    /// The function of this name, if a parenthesis follows.
    fn function(&self, target: &Target) -> Option<Function> {
        if !self.dialect.arithmetic_functions || self.text.get(self.at) != Some(&b'(') {
            return None;
        }
        FUNCTIONS.iter().find(|(name, _)| name.as_bytes() == &*target.name)
    }
}

/// The variable that an expression is.
fn variable(expression: Expression) -> Result<Target, String> {
    match expression {
        Expression::Variable(target) => Ok(target),
        _ => Err(NO_STEP.into()),
    }
}
