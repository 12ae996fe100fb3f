//! Assignments to the arrays in which zsh tells of itself: `functions[f]=commands`, `aliases[a]=text`,
//! `options[o]=on`.

use std::rc::Rc;

use crate::dialect::{Own, own_variable};
use crate::expand::{self, Tilde};
use crate::source::Span;
use crate::state::Table;
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, AssignedValue, Assignment};
use crate::syntax::{Alias, Parser};
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// The array of the shell that a name means, if it does and no variable hides that.
    pub(super) fn told_table(&self, name: &[u8]) -> Option<Table> {
        let (own, _) = own_variable(self.state.dialect.shell, name)?;
        let hidden = self.state.variables.get(name).is_some_and(|variable| !variable.own);
        match own {
            Own::Table(table) if !hidden => Some(table),
            _ => None,
        }
    }

    /// Carries out an assignment to an element of such an array.
    pub(super) fn assign_in_table(
        &mut self,
        table: Table,
        index: &Arithmetic,
        assignment: &Assignment,
    ) -> Result<Text, Stop> {
        let span = assignment.span;
        let AssignedValue::Scalar(word) = &assignment.value else {
            return Err(self.state.mistake("a list cannot be one element", span, 1));
        };
        let key = expand::parameter::key_text(self, index)?;
        let value = expand::single(self, word, Tilde::AfterColons)?;
        match table {
            Table::Aliases => {
                let alias = Alias::of(value.bytes(), false, &mut self.state.sources);
                Rc::make_mut(&mut self.state.aliases).insert(key.bytes().into(), alias);
            }
            Table::Functions => self.define_from_text(key.bytes(), &value)?,
            Table::Options => {
                self.state.set_by_name(key.bytes(), value.bytes() == b"on");
            }
            Table::Builtins => return Err(self.state.mistake("it is read-only", span, 1)),
        }
        Ok(value)
    }

    /// Defines a function by the text of its commands.
    fn define_from_text(&mut self, name: &[u8], text: &Text) -> Result<(), Stop> {
        let source = self.state.sources.built("functions", text.bytes());
        let dialect = self.state.dialect.clone();
        let list = Parser::new(text.bytes(), source, &dialect).all_commands()?;
        let span = Span::new(source, 0, text.len());
        self.define_as(name, list, span);
        Ok(())
    }
}
