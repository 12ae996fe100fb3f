//! What `declare -p` and its kin tell of variables.

mod commands;
mod kinds;
mod list;
mod values;

use crate::dialect::Told;
use crate::expand::Context;
use crate::expand::pattern::Pattern;
use crate::lineage::{Origin, Rule};
use crate::state::{Value, Variable, element_name};
use crate::stop::Status;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

impl Walker {
    /// `declare -p name...`: the commands that make the variables again.
    pub(super) fn tell_variables(&mut self, names: &[Text], call: &Call<'_>) -> Status {
        let mut status = 0;
        for name in names {
            let name = name.bytes();
            if let Some(what) = self.state.freshen(name) {
                self.missing(what, call.span);
            }
            let meant = self.state.variables.meant(name);
            let follows = self.state.dialect.told_variables == Told::Elements;
            let name = meant.as_deref().filter(|_| follows).unwrap_or(name);
            if let Some(line) = element_name(name).and_then(|_| self.told_element(name)) {
                self.print_told(line, false, call);
                continue;
            }
            let Some(variable) = self.state.variables.itself(name).cloned() else {
                status = self.state.dialect.untold_variable_status;
                continue;
            };
            let is_nothing = match &variable.value {
                Value::Indexed(elements) if follows && elements.is_empty() => {
                    Variable { value: Value::Nothing, ..variable.clone() }.is_nothing()
                }
                _ => variable.is_nothing(),
            };
            if is_nothing && !self.state.dialect.tells_empty_variables {
                continue;
            }
            // Where elements are told one by one, so are fields as they look.
            let line = match follows {
                true => self.command_for(name, &variable),
                false => self.command_for(name, &variable.as_given()),
            };
            self.print_told(line, variable.scalar().is_some_and(Text::has_hole), call);
        }
        status
    }

    /// Whether `typeset` would not make this variable but find it.
    pub(super) fn is_known_here(&self, name: &[u8]) -> bool {
        let here = self
            .scopes
            .last()
            .is_none_or(|scope| scope.hidden.iter().any(|(known, _)| **known == *name));
        here && self.state.variables.get(name).is_some_and(|variable| !variable.is_nothing())
    }

    /// `name=value`, as zsh tells a variable without its attributes.
    pub(super) fn tell_value(&mut self, name: &[u8], call: &Call<'_>) {
        let Some(variable) = self.state.variables.get(name).cloned() else { return };
        let line = [name, b"=", &self.listed_value(&variable.as_given())].concat();
        self.print_told(line, variable.scalar().is_some_and(Text::has_hole), call);
    }

    /// `typeset -m pattern...`: the variables whose names match, with their values; with `+m` by what
    /// they are.
    pub(super) fn tell_matching(
        &mut self,
        patterns: &[Text],
        (kinds, commands): (bool, bool),
        call: &Call<'_>,
    ) {
        for pattern in patterns {
            let rules = self.state.pattern_rules(false);
            let pattern = Pattern::new(pattern.bytes(), &vec![false; pattern.len()], rules);
            let names = self.state.variables.names();
            let mut names: Vec<Vec<u8>> = names.into_iter().map(<[u8]>::to_vec).collect();
            names.retain(|name| pattern.matches(name));
            names.sort_unstable();
            for name in names {
                match kinds {
                    true => self.tell_what_it_is(&name, call),
                    false if commands => {
                        let name = self.state.shell_text(&name);
                        self.tell_variables(std::slice::from_ref(&name), call);
                    }
                    false => self.tell_value(&name, call),
                }
            }
        }
    }

    /// What a variable is, and its name.
    fn tell_what_it_is(&mut self, name: &[u8], call: &Call<'_>) {
        let Some(variable) = self.state.variables.get(name) else { return };
        let kinds = self.kinds(name, variable);
        let space: &[u8] = if kinds.is_empty() { b"" } else { b" " };
        self.print_told([kinds.as_bytes(), space, name].concat(), false, call);
    }

    fn print_told(&mut self, mut line: Vec<u8>, has_hole: bool, call: &Call<'_>) {
        line.push(b'\n');
        let origin = Origin::new(Rule::Output, call.span);
        let mut text = Text::from_bytes(line, Standing::Quoted, origin.clone());
        if has_hole {
            text.push_hole(Standing::Quoted, &origin);
        }
        self.write(text);
    }
}
