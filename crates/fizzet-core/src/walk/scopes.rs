//! Which variable a name means where functions have their own: `local`, assignments before a command,
//! `unset` and `declare -g`.

use std::rc::Rc;

use crate::dialect::KeptByExit;
use crate::state::{Keeps, Value, Variable};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::Assignment;
use crate::text::Text;
use crate::trace::CommandKind;
use crate::walk::Walker;
use crate::walk::assign::Saved;
use crate::walk::call::Scope;

/// Assignments before a command that last as long as it does.
#[derive(Clone)]
pub(super) struct Temporary {
    /// What to put back.
    pub(super) saved: Saved,
    /// How many functions the command is in.
    pub(super) scopes: usize,
    /// Whether the command is a declaration utility itself.
    pub(super) declares: bool,
    /// Whether it stands behind `command`.
    pub(super) behind_command: bool,
    /// Those that stay, unless they are unset.
    outlasting: Vec<Rc<[u8]>>,
    /// Those whose last values and attributes go to the variables that are put back.
    passed_on: Vec<Rc<[u8]>>,
    /// The values that they are given, if the command is a utility whose own assignments outlast it.
    given: Vec<Option<Text>>,
}

impl Walker {
    /// Assignments before a command last from here; `saved` is what to put back behind it.
    pub(super) fn begin_temporary(&mut self, saved: Saved, argv: &[Text]) {
        let is_name =
            |name: &&Text| !matches!(name.bytes(), b"command" | b"builtin" | b"\\builtin");
        let name = argv.iter().find(is_name).map_or(&b""[..], Text::bytes);
        let behind_command = argv.first().is_some_and(|first| first.bytes() == b"command");
        let declares = self.state.dialect.is_declaration(name);
        let assigners = self.state.dialect.assigners_outlast;
        let given = match assigners.iter().any(|one| one.as_bytes() == name) {
            true => {
                saved.iter().map(|(name, _)| self.state.variables.scalar(name).cloned()).collect()
            }
            false => Vec::new(),
        };
        let scopes = self.scopes.len();
        let (outlasting, passed_on) = Default::default();
        let temporary =
            Temporary { saved, scopes, declares, behind_command, outlasting, passed_on, given };
        self.temporaries.push(temporary);
    }

    /// Assignments before a command end behind it, unless the shell ends in it and they are to be seen then.
    pub(super) fn end_temporary(&mut self, outcome: &Result<(), Stop>, kind: CommandKind) {
        let Some(mut temporary) = self.temporaries.pop() else { return };
        if self.exit_keeps(outcome, kind, temporary.behind_command) {
            return;
        }
        let mut given = temporary.given.into_iter();
        temporary.saved.retain(|(name, _)| match given.next() {
            Some(given) => is_same(self.state.variables.scalar(name), given.as_ref()),
            None => true,
        });
        let variables = &self.state.variables;
        let outlasting = temporary.outlasting;
        let goes = |name: &Rc<[u8]>| !outlasting.contains(name) || variables.get(name).is_none();
        temporary.saved.retain(|(name, _)| goes(name));
        let is_passed_on = |name: &Rc<[u8]>| temporary.passed_on.contains(name);
        let names = temporary.saved.iter().map(|(name, _)| name.clone()).filter(is_passed_on);
        let last = |name: Rc<[u8]>| (name.clone(), self.state.variables.itself(&name).cloned());
        let passed_on: Saved = names.map(last).collect();
        match kind {
            CommandKind::Function => self.restore(temporary.saved),
            _ => self.restore_behind_utility(temporary.saved),
        }
        for (name, last) in passed_on {
            self.pass_on(&name, last);
        }
    }

    /// Gives a variable that has been put back the value and the attributes that one before a command had in the end.
    fn pass_on(&mut self, name: &Rc<[u8]>, last: Option<Variable>) {
        let Some(last) = last else { return };
        let Some(variable) = self.state.variables.get_mut(name) else {
            return self.state.variables.restore(name, Some(last));
        };
        variable.exported |= last.exported;
        if variable.read_only {
            return;
        }
        if last.keeps != Keeps::Text {
            variable.keeps = last.keeps;
        }
        if let Value::Scalar(value) = last.value {
            let origin = value.runs().next().map(|(run, _)| run.origin.clone());
            let span = origin.unwrap_or_else(|| self.state.shell_origin()).span();
            if let Err(Stop::Shell(error)) = self.state.store(name, None, value, span) {
                self.survive(error);
            }
        }
        self.state.variables.entry(name).read_only |= last.read_only;
    }

    /// Whether the variables that had values for a command keep them, since the shell ends in it.
    fn exit_keeps(
        &self,
        outcome: &Result<(), Stop>,
        kind: CommandKind,
        behind_command: bool,
    ) -> bool {
        let exits = matches!(outcome, Err(Stop::Exit(_))) && self.error_exit.is_none();
        let is_call = kind == CommandKind::Function;
        let ends = |error: &ShellError| error.reach == Reach::Shell;
        match self.state.dialect.kept_by_exit {
            KeptByExit::Nothing => false,
            KeptByExit::Calls if self.state.in_text() => {
                exits && (is_call || !self.scopes.is_empty())
            }
            KeptByExit::Calls => {
                let fails = matches!(outcome, Err(Stop::Shell(error)) if ends(error));
                exits || (fails && !is_call && self.scopes.is_empty())
            }
            KeptByExit::FailedCalls | KeptByExit::FailedCallsAndCommand => {
                let fails = matches!(outcome, Err(Stop::Exit(_)))
                    || matches!(outcome, Err(Stop::Shell(error)) if ends(error));
                let behind = self.state.dialect.kept_by_exit == KeptByExit::FailedCallsAndCommand;
                (is_call || (behind && behind_command)) && fails
            }
            KeptByExit::Outermost => exits && self.temporaries.is_empty() && self.scopes.is_empty(),
        }
    }

    /// Assignments before a special built-in stay behind the calls around it that gave the names values, and are
    /// exported, where the shell has it so; but not behind a function that has such a variable of its own.
    pub(super) fn outlast_calls(&mut self, assignments: &[Assignment], argv: &[Text]) {
        let Some(excepted) = self.state.dialect.kept_assignments_outlast_calls else { return };
        let is_excepted = excepted.iter().any(|name| name.as_bytes() == argv[0].bytes());
        for assignment in assignments {
            let name = &assignment.name;
            self.state.variables.entry(name).exported = true;
            if is_excepted {
                continue;
            }
            let own = |scope: &Scope| {
                scope.adopted.contains(name) || scope.hidden.iter().any(|(known, _)| known == name)
            };
            let depth = self.scopes.iter().rposition(own).map_or(0, |at| at + 1);
            for temporary in self.temporaries.iter_mut().filter(|one| one.scopes >= depth) {
                temporary.outlasting.push(name.clone());
            }
        }
    }

    /// Makes a name a variable of the function that is being called.
    pub(super) fn hide(&mut self, name: &[u8], has_value: bool) {
        let depth = self.scopes.len();
        if self.state.dialect.local_keeps_temporary
            && self.is_temporary(name, depth.wrapping_sub(1))
        {
            if let Some(scope) = self.scopes.last_mut() {
                scope.adopted.push(name.into());
            }
            return;
        }
        if name == b"OPTIND" && self.state.dialect.getopts_keeps_place_for_local {
            self.follow_option_index();
        }
        let by_script = self.state.index_by_script;
        self.state.index_is_touched &= name != b"OPTIND";
        let Some(scope) = self.own_scope_mut() else { return };
        if name == b"OPTIND" {
            scope.index_by_script = by_script;
        }
        if scope.hidden.iter().any(|(known, _)| **known == *name) {
            let is_empty = !has_value && self.state.dialect.local_is_empty;
            let unset = |variable: &&mut Variable| matches!(variable.value, Value::Nothing);
            if is_empty && let Some(variable) = self.state.variables.get_mut(name).filter(unset) {
                variable.value = Value::Scalar(Default::default());
            }
            return;
        }
        let named: Rc<[u8]> = name.into();
        let tie = self.state.tie(name);
        let tied =
            tie.map(|tie| if *tie.list == *name { tie.text.clone() } else { tie.list.clone() });
        for name in tied.iter().chain([&named]) {
            self.put_in_scope(name);
        }
        if name == b"OPTIND" && self.state.dialect.getopts_keeps_place_for_local {
            let place = std::mem::take(&mut self.options_at);
            self.own_scope_mut().map(|scope| scope.options_at.replace(place));
        }
        if !self.state.dialect.local_inherits && !self.state.options.locals_inherit {
            let outer = self.state.variables.remove(name);
            let exports = self.state.dialect.locals_inherit_export;
            let variable = self.state.variables.entry(name);
            variable.exported = exports && outer.as_ref().is_some_and(|outer| outer.exported);
            if name == b"OPTIND"
                && self.state.dialect.option_index_is_told
                && let Some(outer) = outer
            {
                *variable = outer;
                return;
            }
            if !has_value && self.state.dialect.local_is_empty {
                variable.value = Value::Scalar(Default::default());
            }
        }
    }

    /// Keeps a variable for the time behind the innermost function, if it is not kept yet.
    fn put_in_scope(&mut self, name: &Rc<[u8]>) {
        let variable = self.state.variables.itself(name).cloned();
        let Some(scope) = self.own_scope_mut() else { return };
        if !scope.hidden.iter().any(|(known, _)| known == name) {
            scope.hidden.push((name.clone(), variable));
            self.follow_hidden(name);
        }
    }

    /// Whether a name was assigned before a command in so many functions that is being carried out.
    fn is_temporary(&self, name: &[u8], scopes: usize) -> bool {
        let there = self.temporaries.iter().filter(|one| one.scopes == scopes);
        there.flat_map(|one| &one.saved).any(|(known, _)| **known == *name)
    }

    /// The variable that was assigned before the command which is being carried out; from now on the
    /// command does not put it back.
    pub(super) fn taken_over(&mut self, name: &[u8]) -> Option<Variable> {
        let depth = self.scopes.len();
        let own = |one: &&mut Temporary| one.scopes == depth && one.declares;
        let one = self.temporaries.last_mut().filter(own)?;
        let at = one.saved.iter().rposition(|(known, _)| **known == *name)?;
        let (_, before) = one.saved.remove(at);
        let variable = self.state.variables.remove(name);
        self.state.variables.restore(name, before);
        variable
    }

    /// Lets the variable stay that was assigned before the command which is being carried out, behind
    /// `command` too or not.
    pub(super) fn forget_temporary(&mut self, name: &[u8], behind_command: bool) {
        let depth = self.scopes.len();
        let own = |one: &&mut Temporary| {
            one.scopes == depth && one.declares && (behind_command || !one.behind_command)
        };
        if let Some(one) = self.temporaries.last_mut().filter(own) {
            one.saved.retain(|(known, _)| **known != *name);
        }
    }

    /// Lets a variable outlast the functions that are being called, if it was assigned before the call of
    /// one of them and no function inside that has one of its own.
    pub(super) fn outlast(&mut self, name: &[u8]) {
        let known = |(known, _): &(Rc<[u8]>, Option<Variable>)| **known == *name;
        let lasts = (0..self.scopes.len()).rev().find_map(|depth| {
            let own = self.scopes[depth].hidden.iter().any(known);
            (own || self.is_temporary(name, depth)).then_some(!own)
        });
        if lasts != Some(true) {
            return;
        }
        for scope in &mut self.scopes {
            scope.hidden.retain(|one| !known(one));
        }
        let inside = self.scopes.len();
        let passes_on = self.state.dialect.temporaries_pass_on_values;
        for one in self.temporaries.iter_mut().filter(|one| one.scopes < inside) {
            match passes_on {
                // A loop may export it over and over.
                true if one.passed_on.iter().any(|known| **known == *name) => {}
                true => one.passed_on.push(name.into()),
                false => one.saved.retain(|one| !known(one)),
            }
        }
    }

    /// Leaves a variable of the innermost function declared where `unset` has taken its value away: one that was
    /// assigned before the call is still exported.
    pub(super) fn stay_local(&mut self, name: &[u8]) {
        let adopts = |scope: &Scope| scope.adopted.iter().any(|known| **known == *name);
        let adopted = self.scopes.last().is_some_and(adopts);
        if (adopted || self.is_own(name)) && self.state.dialect.unset_locals_stay {
            self.state.variables.entry(name).exported = adopted;
        }
    }

    /// Whether the innermost function has a variable of its own with this name.
    pub(super) fn is_own(&self, name: &[u8]) -> bool {
        let own = self.own_scope().map(|scope| &scope.hidden);
        own.is_some_and(|hidden| hidden.iter().any(|(known, _)| **known == *name))
    }

    /// Whether a function that is being called has a variable of its own with this name.
    pub(super) fn is_local(&self, name: &[u8]) -> bool {
        self.scopes.iter().flat_map(|scope| &scope.hidden).any(|(known, _)| **known == *name)
    }

    /// Shows the variable behind the innermost one of this name, where `unset` does that; false if there
    /// is none.
    pub(super) fn reveal(&mut self, name: &[u8]) -> bool {
        let dialect = self.state.dialect.clone();
        let callers = dialect.unset_reveals_callers && !self.state.options.callers_stay_hidden;
        let place = |all: &Saved| all.iter().rposition(|(known, _)| **known == *name);
        for depth in (1..=self.scopes.len()).rev() {
            let shows = match depth == self.scopes.len() {
                true => dialect.unset_reveals,
                false => callers,
            };
            let hidden = &mut self.scopes[depth - 1].hidden;
            if let Some(at) = place(hidden) {
                if shows {
                    let (_, outer) = hidden.remove(at);
                    self.state.variables.restore(name, outer);
                }
                return shows;
            }
            if !shows && self.scopes[depth - 1].adopted.iter().any(|known| **known == *name) {
                return false;
            }
            let before = self.temporaries.iter_mut().rev().filter(|one| one.scopes == depth - 1);
            for one in before {
                let Some(at) = place(&one.saved) else { continue };
                if dialect.unset_reveals_callers {
                    let (_, outer) = one.saved.remove(at);
                    self.state.variables.restore(name, outer);
                }
                return dialect.unset_reveals_callers;
            }
        }
        false
    }

    /// Does something with the variable that the outermost function found under this name.
    pub(super) fn globally<T>(
        &mut self,
        name: &[u8],
        run: impl FnOnce(&mut Walker) -> Result<T, Stop>,
    ) -> Result<T, Stop> {
        let Some(outermost) = self.outermost(name).map(Option::take) else { return run(self) };
        let inner = self.state.variables.remove(name);
        self.state.variables.restore(name, outermost);
        let outcome = run(self);
        let made = self.state.variables.remove(name);
        if let Some(outermost) = self.outermost(name) {
            *outermost = made;
        }
        self.state.variables.restore(name, inner);
        outcome
    }

    /// The variable that a name has outside of all functions and of the assignments before commands, where those have
    /// put it aside. What is assigned before a call is put aside before the variables of the function; what is
    /// assigned before a declaration is not asked for. A function that sees nothing of its callers has put aside theirs.
    fn outermost(&mut self, name: &[u8]) -> Option<&mut Option<Variable>> {
        let is_it = |(known, _): &&mut (Rc<[u8]>, Option<Variable>)| **known == *name;
        let closed = self.scopes.iter().rposition(|scope| scope.aside.is_some());
        let inside = move |depth: usize| closed.is_none_or(|closed| depth > closed);
        let others =
            self.temporaries.iter_mut().filter(move |one| !one.declares && inside(one.scopes));
        let temporaries = others.filter_map(|one| {
            let depth = 2 * one.scopes;
            one.saved.iter_mut().find(is_it).map(|(_, variable)| (depth, variable))
        });
        let scopes = self.scopes.iter_mut().enumerate();
        let scopes =
            scopes.filter(move |(depth, _)| inside(depth + 1)).filter_map(|(depth, scope)| {
                scope.hidden.iter_mut().find(is_it).map(|(_, variable)| (2 * depth + 1, variable))
            });
        temporaries.chain(scopes).min_by_key(|(depth, _)| *depth).map(|(_, variable)| variable)
    }
}

/// Whether two values are one, and not only alike.
fn is_same(one: Option<&Text>, other: Option<&Text>) -> bool {
    let origin =
        |text: &Text| text.runs().next().map(|(run, _)| (run.origin.rule(), run.origin.span()));
    match (one, other) {
        (Some(one), Some(other)) => one.bytes() == other.bytes() && origin(one) == origin(other),
        (one, other) => one.is_none() && other.is_none(),
    }
}
