//! BASH_COMMAND: the command that is being carried out, or that an action found, as the shell words it (bash manual,
//! "Bash Variables"; observed in bash 5.2).

use crate::definition;
use crate::lineage::{Hop, Rule};
use crate::source::{Sources, Span};
use crate::syntax::ast::{Arithmetic, Command, CommandKind};
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// Whether somebody may ask for the command, and it is no action that is being carried out.
    fn tells_command(&self) -> bool {
        self.state.dialect.tells_command
            && self.state.sources.name_command()
            && self.acting.is_empty()
            && self.actions.is_empty()
    }

    /// A command is carried out from here on.
    pub(super) fn note_command(&mut self, command: &Command) {
        if matches!(command.kind, CommandKind::For { .. }) {
            // That is noted for each of its passes.
            return;
        }
        let told = self.head_of(command);
        self.note_told(&told);
    }

    /// The first line of a command, where somebody may ask for it.
    pub(super) fn head_of(&self, command: &Command) -> Option<Text> {
        let head = |sources: &Sources, hop: Hop| definition::head(sources, command, hop);
        self.told(command.span, head)
    }

    /// Notes what [`Walker::head_of`] has found.
    pub(super) fn note_told(&mut self, told: &Option<Text>) {
        if told.is_some() {
            self.state.doing.command.clone_from(told);
        }
    }

    /// An expression of `for ((...))` is computed from here on.
    pub(super) fn note_expression(&mut self, expression: &Arithmetic) {
        let whole =
            |sources: &Sources, hop: Hop| Some(definition::arithmetic(sources, expression, hop));
        let told = self.told(expression.word.span, whole);
        self.note_told(&told);
    }

    fn told(&self, span: Span, make: impl FnOnce(&Sources, Hop) -> Option<Text>) -> Option<Text> {
        if !self.tells_command() {
            return None;
        }
        make(&self.state.sources, Hop { rule: Rule::Shell, span, name: None, shifted: 0 })
    }
}
