//! What an argument of a call stands for.

use std::collections::HashMap;

use crate::kernel::call::CallError;
use crate::kernel::call::token::{Token, TokenKind};
use crate::source::Span;
use crate::text::Text;

/// A value, and where it stands in the call.
#[derive(Clone, Debug)]
pub struct Value {
    /// What it is.
    pub kind: ValueKind,
    /// Where it is written in the call, even if a name stands for it.
    pub span: Span,
}

/// Kinds of values.
#[derive(Clone, Debug)]
pub enum ValueKind {
    /// A string.
    Text(Text),
    /// A null pointer.
    Null,
    /// The number 0 that nobody has made a pointer.
    Zero,
    /// Another number.
    Number,
    /// An array.
    Array(Vec<Value>),
    /// The environment of the caller.
    Environment,
}

/// Names that stand for values.
pub type Names = HashMap<String, Value>;

/// Reads values from words.
pub struct Values<'a> {
    /// The words.
    pub tokens: &'a [Token],
    /// The next one.
    pub at: usize,
    /// Names that are known.
    pub names: &'a Names,
    depth: usize,
}

/// How many parentheses and braces may stand inside each other.
const MOST_NESTED: usize = 200;

impl Values<'_> {
    /// A reader that begins at a word.
    pub fn new<'a>(tokens: &'a [Token], at: usize, names: &'a Names) -> Values<'a> {
        Values { tokens, at, names, depth: 0 }
    }

    /// The word that comes next.
    pub fn next(&self) -> &Token {
        &self.tokens[self.at.min(self.tokens.len() - 1)]
    }

    /// Takes a character of punctuation, if it comes next.
    pub fn take(&mut self, sign: u8) -> bool {
        let found = self.next().is(sign);
        self.at += usize::from(found);
        found
    }

    /// Takes a character of punctuation.
    ///
    /// # Errors
    /// Another word.
    pub fn expect(&mut self, sign: u8, behind: &str) -> Result<(), CallError> {
        if self.take(sign) {
            return Ok(());
        }
        let sign = char::from(sign);
        let found = self.next();
        let message = match found.kind {
            TokenKind::End => format!("the text ends; {sign} was expected behind {behind}"),
            _ => format!("{sign} was expected behind {behind}"),
        };
        Err(CallError::new(message, found.span, format!("write {sign} here")))
    }

    /// A value.
    ///
    /// # Errors
    /// Something else, or a name that nobody has said the value of.
    pub fn value(&mut self) -> Result<Value, CallError> {
        if self.depth >= MOST_NESTED {
            let message =
                format!("more than {MOST_NESTED} parentheses and braces inside each other");
            return Err(CallError::new(message, self.next().span, "write it plainer"));
        }
        self.depth += 1;
        let value = self.one_value();
        self.depth -= 1;
        value
    }

    fn one_value(&mut self) -> Result<Value, CallError> {
        let start = self.next().span;
        if self.is_cast() {
            let close = self.closing();
            let is_pointer = self.tokens[self.at..close].iter().any(|token| token.is(b'*'));
            self.at = close + 1;
            let inner = self.value()?;
            let kind = match inner.kind {
                // What is cast to a pointer is one; an array may stand behind its type.
                ValueKind::Zero if is_pointer => ValueKind::Null,
                kind => kind,
            };
            return Ok(Value { kind, span: start.to(inner.span) });
        }
        if self.take(b'(') {
            let inner = self.value()?;
            self.expect(b')', "a value in parentheses")?;
            return Ok(inner);
        }
        if self.take(b'{') {
            return self.array(start);
        }
        let token = self.next().clone();
        self.at += 1;
        let kind = match token.kind {
            TokenKind::String(text) => ValueKind::Text(text),
            TokenKind::Number(digits) => {
                let digits = digits.trim_end_matches(['l', 'L', 'u', 'U']);
                let zero = digits.bytes().all(|byte| matches!(byte, b'0' | b'x' | b'X'));
                if zero { ValueKind::Zero } else { ValueKind::Number }
            }
            TokenKind::Name(name) => return self.named(&name, token.span),
            TokenKind::End => {
                let hint = "write the rest of the call";
                return Err(CallError::new(
                    "the text ends in the middle of the call",
                    token.span,
                    hint,
                ));
            }
            _ => {
                let hint = "write a string, NULL, an array, or a name that --let gives a value";
                return Err(CallError::new("this is no value that exec takes", token.span, hint));
            }
        };
        Ok(Value { kind, span: token.span })
    }

    /// The elements of an array, behind its brace.
    fn array(&mut self, start: Span) -> Result<Value, CallError> {
        let mut elements = Vec::new();
        while !self.next().is(b'}') {
            elements.push(self.value()?);
            if !self.take(b',') {
                break;
            }
        }
        let end = self.next().span;
        self.expect(b'}', "the elements of an array")?;
        Ok(Value { kind: ValueKind::Array(elements), span: start.to(end) })
    }

    fn named(&mut self, name: &str, span: Span) -> Result<Value, CallError> {
        match name {
            "NULL" | "nullptr" => return Ok(Value { kind: ValueKind::Null, span }),
            "environ" | "__environ" if !self.names.contains_key(name) => {
                return Ok(Value { kind: ValueKind::Environment, span });
            }
            _ => {}
        }
        let Some(known) = self.names.get(name) else {
            let message = format!("nobody has said what {name} is");
            let hint =
                format!("say it: --let {name}='\"text\"' or --let {name}='{{\"a\", \"b\", NULL}}'");
            return Err(CallError::new(message, span, hint));
        };
        let mut value = Value { kind: known.kind.clone(), span };
        while self.take(b'[') {
            let index = self.next().clone();
            self.at += 1;
            let end = self.next().span;
            self.expect(b']', "an index")?;
            let number = match &index.kind {
                TokenKind::Number(digits) => digits.parse::<usize>().ok(),
                _ => None,
            };
            let element = match (&value.kind, number) {
                (ValueKind::Array(elements), Some(number)) => elements.get(number).cloned(),
                _ => None,
            };
            let Some(element) = element else {
                let message = format!("{name} has no such element");
                let hint = "an index is a number, from 0, of an array that --let names";
                return Err(CallError::new(message, span.to(end), hint));
            };
            value = Value { kind: element.kind, span: span.to(end) };
        }
        Ok(value)
    }

    /// Whether a cast comes next: a type in parentheses.
    fn is_cast(&self) -> bool {
        let types = [
            "char", "void", "const", "struct", "unsigned", "signed", "int", "long", "short",
            "restrict",
        ];
        let inside = self.tokens.get(self.at + 1).and_then(Token::name);
        self.next().is(b'(') && inside.is_some_and(|name| types.contains(&name))
    }

    /// Where the parenthesis is closed that comes next.
    fn closing(&self) -> usize {
        let mut depth = 0;
        for (at, token) in self.tokens.iter().enumerate().skip(self.at) {
            depth += i32::from(token.is(b'('));
            depth -= i32::from(token.is(b')'));
            if depth == 0 {
                return at;
            }
        }
        self.tokens.len() - 1
    }

    /// Passes over an argument that does not count, whatever it is.
    pub fn skip(&mut self) {
        let mut depth = 0;
        loop {
            let token = self.next();
            let opens = [b'(', b'[', b'{'].iter().any(|&sign| token.is(sign));
            let closes = [b')', b']', b'}'].iter().any(|&sign| token.is(sign));
            let ends = matches!(token.kind, TokenKind::End);
            if ends || (depth == 0 && (closes || token.is(b','))) {
                return;
            }
            depth += i32::from(opens) - i32::from(closes);
            self.at += 1;
        }
    }
}
