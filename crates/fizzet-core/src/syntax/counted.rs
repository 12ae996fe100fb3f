//! The end of `((...))` where the shell counts parentheses for it, before it looks at what they hold. Observed in
//! bash 5.2.

use crate::syntax::ast::{Arithmetic, Operation, Parameter, ParameterName, Part, Word};
use crate::syntax::cursor::Parser;

/// Where the parentheses of an expression end by their number.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Counted {
    /// Where the expression that has been read ends, or nobody counts.
    Here,
    /// Here, before a `${` inside is closed.
    Cut(usize),
    /// Somewhere else; what they hold is no expression.
    Elsewhere,
}

impl Parser<'_> {
    /// Counts the parentheses from the first of two at `open`, when the expression in them has been read as far as
    /// its end, or could not be.
    pub(super) fn counted_end(&self, open: usize, is_read: bool) -> Counted {
        let seen = &self.text[open..self.pos.max(open)];
        if !self.dialect.parentheses_cut_braces || !holds_braces(seen) {
            return Counted::Here;
        }
        let Some(end) = self.parentheses_end(open) else { return Counted::Here };
        if is_read && end == self.pos + 2 {
            return Counted::Here;
        }
        let inside = open + 2..end.saturating_sub(2);
        match self.text[..end].ends_with(b"))") && self.cut_brace(inside).is_some() {
            true => Counted::Cut(end),
            false if is_read => Counted::Elsewhere,
            false => Counted::Here,
        }
    }

    /// The place of the `${` in a stretch that is not closed in it.
    fn cut_brace(&self, stretch: std::ops::Range<usize>) -> Option<usize> {
        let mut at = stretch.start;
        while at < stretch.end {
            match self.text[at] {
                b'\\' => at += 1,
                b'$' if self.text.get(at + 1) == Some(&b'{') => match self.braces_end(at + 1, 0) {
                    Some(end) if end < stretch.end => at = end,
                    _ => return Some(at),
                },
                _ => {}
            }
            at += 1;
        }
        None
    }

    /// The expression from `inside` on whose parentheses end before `end` and cut braces: a bad expansion. Stands
    /// behind the parentheses then.
    pub(super) fn cut_expression(&mut self, inside: usize, end: usize) -> Arithmetic {
        self.pos = end;
        let span = self.span(inside, end - 2);
        let bad = Part::Parameter(Box::new(Parameter {
            name: ParameterName::Variable([].into()),
            index: None,
            operation: Operation::Bad,
            braced: true,
            runs_on: false,
            span,
        }));
        Arithmetic { word: Word::new(vec![bad], span), cached: Default::default() }
    }
}

fn holds_braces(text: &[u8]) -> bool {
    bstr::ByteSlice::find(text, b"${").is_some()
}
