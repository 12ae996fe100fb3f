//! Assignments.

use std::rc::Rc;

use crate::expand::{self, Tilde};
use crate::lineage::{Hop, Rule};
use crate::state::Variable;
use crate::stop::Stop;
use crate::syntax::ast::{AssignedValue, Assignment, Part, Word};
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
            let value = self.assigned_value(assignment)?;
            if temporary {
                let before = self.state.variables.get(&assignment.name).cloned();
                saved.push((assignment.name.clone(), before));
            }
            self.state.variables.set(&assignment.name, value.clone());
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

    fn assigned_value(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let AssignedValue::Scalar(word) = &assignment.value else {
            expand::Context::missing(self, "an array assignment", assignment.span);
            return Ok(Text::new());
        };
        let value = expand::single(self, word, Tilde::AfterColons)?;
        let (rule, span) = (Rule::Stored, assignment.span);
        let hop = Hop { rule, span, name: Some(assignment.name.clone()), shifted: 0 };
        let mut stored = value.passed_through(&hop, Standing::Quoted);
        if assignment.append
            && let Some(before) = self.state.variables.scalar(&assignment.name)
        {
            let mut joined = before.clone();
            joined.push_text(&stored);
            stored = joined;
        }
        Ok(stored)
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
