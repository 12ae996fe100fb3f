//! Assignments to stretches of lists and texts: `a[2]=x`, `a[2,3]=(p q)`, `a[(r)pattern]=x`
//! (zshparam, "Array Subscripts").

use std::rc::Rc;

use super::{Cause, Walker};
use crate::expand::{self, Held, Tilde, arithmetic};
use crate::source::Span;
use crate::state::{Stretch, Value};
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, AssignedValue, Assignment, Slice};
use crate::text::{Text, character_count, characters};

impl Walker {
    /// Carries out an assignment with a subscript, where arrays are lists. Answers the value.
    pub(super) fn assign_stretch(
        &mut self,
        assignment: &Assignment,
        index: &Arithmetic,
    ) -> Result<Text, Stop> {
        let stretch = self.stretch(assignment, index)?;
        self.assign_to(assignment, stretch)
    }

    /// Carries out `2=x` and `argv=(a b)`, which mean the positional parameters: they are a variable
    /// while that is done. Answers the value.
    pub(super) fn assign_parameters(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let number = self.state.parameter_number(&assignment.name);
        let before = self.state.positional.share();
        let outer = self.state.variables.remove(b"argv");
        let list = (1..).zip(before.all().iter().cloned()).collect();
        self.state.variables.entry(b"argv").value = Value::Indexed(list);
        let argv = Assignment { name: b"argv"[..].into(), ..assignment.clone() };
        let value = match (number, &assignment.value) {
            (Some(0), AssignedValue::Scalar(word)) => {
                let value = expand::single(self, word, Tilde::AfterColons);
                let value = value.map(|text| self.stored(&assignment.name, &text, assignment.span));
                value.inspect(|text| self.state.positional.zero = Rc::new(text.clone()))
            }
            (Some(number), _) => self.assign_to(&argv, Stretch::One(number as i64)),
            (None, _) => self.assign_variable(&argv),
        };
        let list = self.state.variables.remove(b"argv");
        self.state.variables.restore(b"argv", outer);
        let value = value?;
        if let Some(Value::Indexed(list)) = list.map(|variable| variable.value) {
            self.state.positional.set(list.into_values().collect());
        }
        self.tell_change(Cause::Set, &before, assignment.span)?;
        Ok(value)
    }

    /// Carries out an assignment to a stretch of a list. Answers the value.
    pub(super) fn assign_to(
        &mut self,
        assignment: &Assignment,
        mut stretch: Stretch,
    ) -> Result<Text, Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let mut texts = match &assignment.value {
            AssignedValue::Scalar(word) => vec![expand::single(self, word, Tilde::AfterColons)?],
            AssignedValue::Array(elements) => self.matching_some(span, |walker| {
                let mut fields = Vec::new();
                for element in elements {
                    fields.append(&mut expand::element_fields(walker, &element.word)?);
                }
                Ok(fields)
            })?,
            // Where lists are parts of others, nothing is compound.
            AssignedValue::Members(_) => Vec::new(),
        };
        for text in &mut texts {
            *text = self.stored(name, text, span);
        }
        if assignment.append {
            let parts = self.parts(name);
            stretch = match &assignment.value {
                AssignedValue::Array(_) => stretch.behind(parts.len()),
                _ => stretch.end(parts.len()),
            };
            if let (Stretch::One(last), Some(text)) = (stretch, texts.first_mut())
                && let Some(before) = usize::try_from(last - 1).ok().and_then(|at| parts.get(at))
            {
                let added = std::mem::replace(text, before.clone());
                text.push_text(&added);
            }
        }
        let value = texts.first().cloned().unwrap_or_default();
        self.state.check_writable(name, span)?;
        self.state.replace(name, stretch, texts, span)?;
        Ok(value)
    }

    fn stretch(&mut self, assignment: &Assignment, index: &Arithmetic) -> Result<Stretch, Stop> {
        if let Some(slice) = &assignment.slice {
            let parts = match self.state.variables.scalar(&assignment.name).cloned() {
                Some(text) if !self.state.variables.is_array(&assignment.name) => Held::One(text),
                _ => Held::List { items: self.parts(&assignment.name), star: false },
            };
            if let Some((first, last)) = expand::searched_range(self, &parts, slice)? {
                return Ok(Stretch::Range(first, last));
            }
        }
        match &assignment.slice {
            None => Ok(Stretch::One(self.place(index)?)),
            Some(Slice::Range(first, last)) => {
                Ok(Stretch::Range(self.place(first)?, self.place(last)?))
            }
            Some(Slice::Search(letters, pattern))
                if expand::are_about_words(letters)
                    && let Some(text) = self.state.variables.scalar(&assignment.name).cloned() =>
            {
                let utf8 = self.state.utf8();
                let count = |to: usize| character_count(&text.bytes()[..to], utf8) as i64;
                let found = expand::word_meant(self, &text, letters, pattern)?;
                Ok(found.map_or(Stretch::One(0), |(from, to)| {
                    Stretch::Range(count(from) + 1, count(to))
                }))
            }
            Some(Slice::Search(letters, pattern)) => {
                let parts = self.parts(&assignment.name);
                Ok(Stretch::One(expand::place_found(self, &parts, letters, pattern)?))
            }
        }
    }

    /// The stretch that the text of an index behind a declaration utility means, if it is one: `a[2,3]`, `a[@]`.
    pub(super) fn declared_stretch(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Option<Stretch>, Stop> {
        if !self.state.dialect.array_is_list || self.is_keyed(name) {
            return Ok(None);
        }
        if matches!(index, b"@" | b"*") {
            return Ok(Some(Stretch::Range(1, i64::MAX)));
        }
        let Some(comma) = index.iter().position(|&byte| byte == b',') else { return Ok(None) };
        let first = arithmetic::index_value(self, &index[..comma], span)?;
        let last = arithmetic::index_value(self, &index[comma + 1..], span)?;
        Ok(Some(Stretch::Range(self.state.index(first), self.state.index(last))))
    }

    fn place(&mut self, written: &Arithmetic) -> Result<i64, Stop> {
        let number = arithmetic::index(self, written)?;
        Ok(self.state.index(number))
    }

    /// The elements of an array, or the characters of a text.
    fn parts(&self, name: &[u8]) -> Vec<Text> {
        match self.state.variables.get(name).map(|variable| &variable.value) {
            Some(Value::Indexed(elements)) => elements.values().cloned().collect(),
            Some(Value::Scalar(text)) => characters(text),
            _ => Vec::new(),
        }
    }
}
