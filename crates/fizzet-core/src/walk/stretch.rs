//! Assignments to stretches of lists and texts: `a[2]=x`, `a[2,3]=(p q)`, `a[(r)pattern]=x`
//! (zshparam, "Array Subscripts").

use super::Walker;
use crate::expand::{self, Tilde, arithmetic};
use crate::state::{Stretch, Value};
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, AssignedValue, Assignment, Slice};
use crate::text::{Text, characters};

impl Walker {
    /// Carries out an assignment with a subscript, where arrays are lists. Answers the value.
    pub(super) fn assign_stretch(
        &mut self,
        assignment: &Assignment,
        index: &Arithmetic,
    ) -> Result<Text, Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let mut stretch = self.stretch(assignment, index)?;
        let mut texts = match &assignment.value {
            AssignedValue::Scalar(word) => vec![expand::single(self, word, Tilde::AfterColons)?],
            AssignedValue::Array(elements) => {
                let mut fields = Vec::new();
                for element in elements {
                    fields.append(&mut expand::element_fields(self, &element.word)?);
                }
                fields
            }
        };
        for text in &mut texts {
            *text = self.stored(name, text, span);
        }
        if assignment.append {
            let parts = self.parts(name);
            stretch = match &assignment.value {
                AssignedValue::Array(_) => stretch.behind(parts.len()),
                AssignedValue::Scalar(_) => Stretch::One(stretch.last(parts.len())),
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
        match &assignment.slice {
            None => Ok(Stretch::One(arithmetic::value(self, index)?)),
            Some(Slice::Range(first, last)) => {
                Ok(Stretch::Range(arithmetic::value(self, first)?, arithmetic::value(self, last)?))
            }
            Some(Slice::Search(letters, pattern)) => {
                let parts = self.parts(&assignment.name);
                Ok(Stretch::One(expand::place_found(self, &parts, letters, pattern)?))
            }
        }
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
