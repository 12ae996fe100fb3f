//! What programs get as their environment, and the functions that come and go in it as
//! `BASH_FUNC_name%%` (observed in bash 5.2).

use std::rc::Rc;

use crate::definition;
use crate::lineage::{Hop, Rule};
use crate::source::{SourceId, SourceKind, Span};
use crate::state::{Function, FunctionMarks};
use crate::syntax::Parser;
use crate::syntax::ast::{Command, CommandKind};
use crate::walk::Walker;

/// What stands before and behind the name of a function in the environment.
const NAMED: (&[u8], &[u8]) = (b"BASH_FUNC_", b"%%");

impl Walker {
    /// Defines the functions that are in the environment.
    pub(super) fn take_functions(&mut self) {
        if !self.state.dialect.exports_functions {
            return;
        }
        let strings = std::mem::take(&mut self.state.strings_passed_on);
        for (known, value) in strings {
            let taken = match function_name(&known).filter(|_| value.starts_with(b"() {")) {
                Some(name) => self.take_function(&known, name, &value),
                None => false,
            };
            if !taken {
                self.state.strings_passed_on.push((known, value));
            }
        }
    }

    /// Defines a function, if the text is the definition of one and nothing else.
    fn take_function(&mut self, known: &[u8], name: &[u8], value: &[u8]) -> bool {
        let text = [name, b" ", value].concat();
        let kind = SourceKind::Variable { name: known.into(), inherited: true };
        let id = self.state.sources.add(kind, &text);
        let dialect = self.state.dialect.clone();
        let mut parser = Parser::new(&text, id, &dialect);
        let Ok(Some(list)) = parser.next_commands() else { return false };
        let [item] = &list.items[..] else { return false };
        let [command] = &item.first.commands[..] else { return false };
        let Some(body) = defined(command) else { return false };
        let marks = FunctionMarks { exported: true, ..FunctionMarks::default() };
        let function = Function { marks, ..Function::new(body, false, command.span) };
        self.state.functions.insert(name.into(), function);
        true
    }

    /// The environment of a program: the exported variables that have a value and the exported functions,
    /// sorted by name.
    pub(super) fn environment(&self, path: &[u8]) -> Vec<(Vec<u8>, Vec<u8>)> {
        let tells_path = self.state.dialect.programs_get_their_path;
        if self.bare_environment {
            let tells_path = tells_path && !self.state.dialect.bare_means_nothing;
            return tells_path.then(|| (b"_".to_vec(), path.to_vec())).into_iter().collect();
        }
        let variables = self.state.variables.exported().into_iter();
        let variables = variables.filter(|(name, _)| !tells_path || *name != b"_");
        let mut all: Vec<(Vec<u8>, Vec<u8>)> =
            variables.map(|(name, value)| (name.to_vec(), value.to_vec())).collect();
        if self.state.dialect.programs_see_hidden_exports {
            let hidden = self.scopes.iter().rev().flat_map(|scope| &scope.hidden);
            for (name, variable) in hidden {
                let outer = variable.as_ref().filter(|variable| variable.exported);
                let Some(value) = outer.and_then(|variable| variable.scalar()) else { continue };
                if !all.iter().any(|(known, _)| known[..] == **name) {
                    all.push((name.to_vec(), value.bytes().to_vec()));
                }
            }
        }
        if tells_path {
            all.push((b"_".to_vec(), path.to_vec()));
        }
        if self.state.dialect.passes_strings_on {
            all.extend_from_slice(&self.state.strings_passed_on);
        }
        let functions = self.state.functions.iter();
        for (name, function) in functions.filter(|(_, function)| function.marks.exported) {
            let span = Span::new(SourceId::MAIN, 0, 0);
            let hop = Hop { rule: Rule::Output, span, name: None, shifted: 0 };
            let text = definition::handed(&self.state.sources, function, hop);
            all.push(([NAMED.0, name, NAMED.1].concat(), text.bytes().to_vec()));
        }
        all.sort_unstable();
        all
    }
}

/// The name of the function that a variable of the environment holds.
fn function_name(variable: &[u8]) -> Option<&[u8]> {
    variable.strip_prefix(NAMED.0)?.strip_suffix(NAMED.1).filter(|name| !name.is_empty())
}

/// The body of the function that a command defines.
fn defined(command: &Command) -> Option<Rc<Command>> {
    match &command.kind {
        CommandKind::Function { body, .. } => Some(body.clone()),
        _ => None,
    }
}
