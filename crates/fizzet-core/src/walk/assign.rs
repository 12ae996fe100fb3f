//! Assignments.

use std::rc::Rc;

use crate::expand::{self, Tilde};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Key, Value, Variable};
use crate::stop::Stop;
use crate::syntax::ast::{Argument, Arithmetic, AssignedValue, Assignment, Element, Part, Word};
use crate::syntax::is_name;
use crate::text::{Standing, Text};
use crate::trace::AssignmentTrace;
use crate::walk::Walker;

/// Variables as they were before a command with assignments of its own.
pub(super) type Saved = Vec<(Rc<[u8]>, Option<Variable>)>;

impl Walker {
    /// Carries assignments out, in order; with `temporary`, answers what to put back afterwards.
    pub(super) fn assignments(
        &mut self,
        assignments: &[Assignment],
        temporary: bool,
    ) -> Result<(Vec<AssignmentTrace>, Saved), Stop> {
        let mut traces = Vec::with_capacity(assignments.len());
        let mut saved = Saved::new();
        for assignment in assignments {
            if temporary {
                let before = self.state.variables.get(&assignment.name).cloned();
                saved.push((assignment.name.clone(), before));
            }
            let value = self.assign(assignment)?;
            let (name, span) = (assignment.name.clone(), assignment.span);
            traces.push(AssignmentTrace { name, value, span });
        }
        Ok((traces, saved))
    }

    pub(super) fn restore(&mut self, saved: Saved) {
        for (name, before) in saved.into_iter().rev() {
            self.state.variables.restore(&name, before);
        }
    }

    /// Carries out one assignment and answers the value; of an array, its first element.
    fn assign(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let name = &assignment.name;
        let word = match &assignment.value {
            AssignedValue::Scalar(word) => word,
            AssignedValue::Array(elements) => {
                self.array(assignment, elements)?;
                return Ok(self.state.variables.scalar(name).cloned().unwrap_or_default());
            }
        };
        let key = match &assignment.index {
            None => None,
            Some(index) => Some(self.element_key(name, index)?),
        };
        let value = expand::single(self, word, Tilde::AfterColons)?;
        let mut stored = self.stored(name, &value, assignment.span);
        if assignment.append {
            let before = match &key {
                None => self.state.variables.scalar(name),
                Some(key) => self.state.variables.element(name, key),
            };
            let mut joined = before.cloned().unwrap_or_default();
            joined.push_text(&stored);
            stored = joined;
        }
        self.state.store(name, key, stored.clone(), assignment.span)?;
        Ok(stored)
    }

    fn stored(&self, name: &Rc<[u8]>, value: &Text, span: Span) -> Text {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.clone()), shifted: 0 };
        value.passed_through(&hop, Standing::Quoted)
    }

    fn element_key(&mut self, name: &[u8], index: &Arithmetic) -> Result<Key, Stop> {
        let associative = |one: &Variable| matches!(one.value, Value::Associative(_));
        if self.state.variables.get(name).is_some_and(associative) {
            return expand::single(self, &index.word, Tilde::Never).map(Key::Text);
        }
        expand::arithmetic::value(self, index).map(Key::Number)
    }

    /// `name=(...)`, `name+=(...)`
    fn array(&mut self, assignment: &Assignment, elements: &[Element]) -> Result<(), Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let associative = |one: &Variable| matches!(one.value, Value::Associative(_));
        let keyed = self.state.variables.get(name).is_some_and(associative);
        let mut made: Vec<(Option<Key>, Text)> = Vec::new();
        for element in elements {
            match &element.index {
                None => {
                    let fields = expand::fields(self, &element.word)?;
                    made.extend(fields.into_iter().map(|text| (None, text)));
                }
                Some(index) => {
                    let key = self.element_key(name, index)?;
                    let text = expand::single(self, &element.word, Tilde::AfterColons)?;
                    made.push((Some(key), text));
                }
            }
        }
        let variable = self.state.variables.entry(name);
        let mut next = 0;
        match (&mut variable.value, assignment.append) {
            (Value::Indexed(elements), true) => {
                next = elements.last_key_value().map_or(0, |(last, _)| last + 1);
            }
            (Value::Scalar(_), true) => next = 1,
            (Value::Associative(_), true) => {}
            (value, _) if keyed => *value = Value::Associative(Vec::new()),
            (value, _) => *value = Value::Indexed(Default::default()),
        }
        for (key, text) in made {
            let key = key.unwrap_or(Key::Number(next));
            if let Key::Number(number) = key {
                next = number.saturating_add(1);
            }
            let stored = self.stored(name, &text, span);
            self.state.store(name, Some(key), stored, span)?;
        }
        Ok(())
    }

    /// `name=(...)` behind a declaration utility: the assignment is carried out and the name is the
    /// argument.
    pub(super) fn array_argument(
        &mut self,
        argument: &Argument,
        argv: &mut Vec<Text>,
    ) -> Result<(), Stop> {
        let Argument::Assignment(assignment) = argument else { return Ok(()) };
        if argv.iter().any(|text| text.bytes().starts_with(b"-") && text.bytes().contains(&b'A')) {
            self.state.variables.entry(&assignment.name).value = Value::Associative(Vec::new());
        }
        self.assign(assignment)?;
        let origin = Origin::new(Rule::Literal, assignment.span);
        argv.push(Text::from_bytes(&assignment.name[..], Standing::Quoted, origin));
        Ok(())
    }

    /// The argument that `name=value` behind a declaration utility makes: its value is expanded as
    /// in an assignment. `None` if the word does not look like one.
    pub(super) fn declared(&mut self, word: &Word) -> Result<Option<Text>, Stop> {
        let Some(Part::Literal { bytes, .. }) = word.parts.first() else { return Ok(None) };
        let Some(equals) = bytes.iter().position(|&byte| byte == b'=') else { return Ok(None) };
        let name = bytes[..equals].strip_suffix(b"+").unwrap_or(&bytes[..equals]);
        if !is_name(name) {
            return Ok(None);
        }
        expand::single(self, word, Tilde::AfterAssignment).map(Some)
    }
}
