//! Functions that see neither the variables of their callers nor their actions: in ksh93 those that are written
//! with `function` (ksh93 manual, "Functions"; observed in ksh93u+m).
//!
//! Variables are kept by their name, and what a function hides is kept by its scope. So the variables of the
//! caller are put aside for the time of a call, and those of the shell come back under their names. Names of
//! names mean one certain variable, which moves to a name of its own where another one takes its place.

use std::rc::Rc;

use crate::lineage::{Hop, Rule};
use rustc_hash::FxHashMap;

use crate::state::{Function, Keeps, KeptFor, MAX_NAMES, Traps, Variable, kept_name};
use crate::syntax::ast::Command;
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::assign::Saved;
use crate::walk::call::Scope;

/// What a call has put aside.
#[derive(Clone, Default)]
pub(super) struct Aside {
    /// The variables of the caller.
    variables: Saved,
    /// The actions that the function does not have.
    actions: Traps,
}

impl Walker {
    /// The innermost function that has variables of its own.
    pub(super) fn own_scope(&self) -> Option<&Scope> {
        self.scopes.iter().rev().find(|scope| scope.has_variables)
    }

    /// The same to be changed.
    pub(super) fn own_scope_mut(&mut self) -> Option<&mut Scope> {
        self.scopes.iter_mut().rev().find(|scope| scope.has_variables)
    }

    /// A function is called that sees nothing of its caller: what belongs to that goes aside.
    pub(super) fn close(&mut self, function: &Function, scope: &mut Scope) {
        if !function.keyword || !self.state.dialect.keyword_functions_are_closed {
            return;
        }
        self.own_assignments(scope);
        let mut aside = Aside::default();
        let caller = self.scopes.iter().rposition(|scope| scope.has_variables);
        let hidden = caller.map(|at| std::mem::take(&mut self.scopes[at].hidden));
        for (name, outer) in hidden.iter().flatten() {
            let own = scope.hidden.iter_mut().find(|(known, _)| known == name);
            let variable = match own {
                Some((_, own)) => std::mem::replace(own, outer.clone()),
                None => self.put_aside(name, outer.clone(), scope),
            };
            aside.variables.push((name.clone(), variable));
        }
        if let (Some(at), Some(hidden)) = (caller, hidden) {
            self.scopes[at].hidden = hidden;
        }
        let is_lost = |(condition, action): &(&Rc<[u8]>, &Text)| {
            ***condition != b"EXIT"[..] && !action.bytes().is_empty()
        };
        let lost: Vec<_> = self
            .state
            .traps
            .iter()
            .filter(is_lost)
            .map(|(condition, _)| condition.clone())
            .collect();
        for condition in lost {
            if let Some(action) = self.state.traps.remove(&condition) {
                aside.actions.insert(condition, action);
            }
        }
        scope.aside = Some(aside);
    }

    /// What is assigned before the call of such a function is a variable of its own.
    fn own_assignments(&mut self, scope: &mut Scope) {
        let depth = self.scopes.len();
        if let Some(given) = self.temporaries.last_mut().filter(|one| one.scopes == depth) {
            scope.hidden.append(&mut given.saved);
        }
    }

    /// Puts a variable of the caller aside. The function has a copy of an exported one.
    fn put_aside(
        &mut self,
        name: &Rc<[u8]>,
        outer: Option<Variable>,
        scope: &mut Scope,
    ) -> Option<Variable> {
        let variable = self.state.variables.itself(name).cloned();
        let passed = variable.as_ref().filter(|one| one.exported && !one.is_nothing());
        match passed {
            Some(_) => scope.hidden.push((name.clone(), outer)),
            None => self.restore(vec![(name.clone(), outer)]),
        }
        variable
    }

    /// Such a function has ended, and its own variables are gone: the caller has its own again.
    pub(super) fn open_again(&mut self, aside: Aside) {
        let caller = self.scopes.iter().rposition(|scope| scope.has_variables);
        for (name, variable) in aside.variables {
            let kept = kept_name(&name, self.scopes.len() + 1, KeptFor::Caller);
            let variable = self.brought_back(&kept, &name).or(variable);
            let outer = self.state.variables.remove(&name);
            let hidden = caller
                .and_then(|at| self.scopes[at].hidden.iter_mut().find(|(known, _)| *known == name));
            if let Some((_, place)) = hidden {
                *place = outer;
            }
            self.restore(vec![(name, variable)]);
        }
        self.state.traps.retain(|condition, _| **condition == b"EXIT"[..]);
        self.state.traps.extend(aside.actions);
    }

    /// Whether a condition has an action that the functions which are being called do not see.
    pub(super) fn has_action_outside(&self, condition: &str) -> bool {
        let asides = self.scopes.iter().filter_map(|scope| scope.aside.as_ref());
        asides.into_iter().any(|aside| aside.actions.contains_key(condition.as_bytes()))
    }

    /// Takes back what moved away because names of names mean it.
    fn brought_back(&mut self, kept: &Rc<[u8]>, name: &Rc<[u8]>) -> Option<Variable> {
        self.state.variables.point_elsewhere(kept, name);
        self.state.variables.remove(kept)
    }

    /// A function hides a variable: the names of names that mean it go on to do so.
    pub(super) fn follow_hidden(&mut self, name: &Rc<[u8]>) {
        if !self.state.dialect.keyword_functions_are_closed {
            return;
        }
        let Some(depth) = self.scopes.iter().rposition(|scope| scope.has_variables) else { return };
        let kept = kept_name(name, depth + 1, KeptFor::Hidden);
        if !self.state.variables.point_elsewhere(name, &kept) {
            return;
        }
        let hidden = self.own_scope_mut().and_then(|scope| scope.hidden.last_mut());
        if let Some((_, variable)) = hidden {
            let variable = variable.take();
            self.state.variables.restore(&kept, variable);
        }
    }

    /// A function ends: what it has hidden and what has moved away comes back under its name.
    pub(super) fn bring_hidden_back(&mut self, hidden: &mut Saved) {
        if !self.state.dialect.keyword_functions_are_closed {
            return;
        }
        for (name, variable) in hidden {
            let kept = kept_name(name, self.scopes.len() + 1, KeptFor::Hidden);
            if let Some(moved) = self.brought_back(&kept, name) {
                *variable = Some(moved);
            }
        }
    }

    /// What a name of names means that takes its value from a positional parameter: a variable of the caller,
    /// where there is one.
    pub(super) fn of_caller(&mut self, meant: &Text) -> Option<Vec<u8>> {
        if !self.state.dialect.keyword_functions_are_closed || !comes_from_parameter(meant) {
            return None;
        }
        let mut name = meant.bytes().to_vec();
        for _ in 0..MAX_NAMES {
            let root = name.iter().position(|byte| b".[".contains(byte)).unwrap_or(name.len());
            let (seen, is_variable) = match self.seen_by_caller(&name[..root]) {
                Some(Seen::Name(seen)) => (seen, false),
                Some(Seen::Variable(kept)) => (kept.to_vec(), true),
                None => break,
            };
            name = [&seen, &name[root..]].concat();
            if is_variable {
                break;
            }
        }
        Some(name)
    }

    /// The variable that the caller of the innermost function sees, where the function sees another one. It moves
    /// to a name of its own.
    fn seen_by_caller(&mut self, name: &[u8]) -> Option<Seen> {
        let depth = self.scopes.len();
        let scope = self.scopes.last_mut()?;
        let aside = scope.aside.as_mut()?;
        let is_this = |(known, _): &&mut (Rc<[u8]>, Option<Variable>)| **known == *name;
        let (why, place) = match aside.variables.iter_mut().find(is_this) {
            Some((_, place)) => (KeptFor::Caller, place),
            None => (KeptFor::Hidden, &mut scope.hidden.iter_mut().find(is_this)?.1),
        };
        if let Some(variable) = place.as_ref().filter(|one| one.keeps == Keeps::Name) {
            return Some(Seen::Name(variable.scalar()?.bytes().to_vec()));
        }
        let kept = kept_name(name, depth, why);
        if let Some(variable) = place.take() {
            self.state.variables.restore(&kept, Some(variable));
        }
        Some(Seen::Variable(kept))
    }
}

/// What a name means to the caller of a function.
enum Seen {
    /// What a name of names means.
    Name(Vec<u8>),
    /// A variable, which is kept under another name for now.
    Variable(Rc<[u8]>),
}

/// The variables that a function keeps from one call to the next (`typeset -S`), beside the body that keeps them.
pub(super) type Lasting = FxHashMap<*const Command, (Rc<Command>, Saved)>;

impl Walker {
    /// A function is called: it has the variables that it has kept.
    pub(super) fn take_lasting(&mut self, function: &Function) {
        let Some((_, kept)) = self.lasting.get(&Rc::as_ptr(&function.body)) else { return };
        for (name, variable) in kept.clone() {
            self.hide(&name, true);
            self.restore(vec![(name.clone(), variable)]);
            if let Some(scope) = self.scopes.last_mut() {
                scope.lasting.push(name);
            }
        }
    }

    /// Says that a variable of the function lasts until the next call; whether that is new.
    pub(super) fn is_to_last(&mut self, name: &[u8]) -> bool {
        let Some(scope) = self.own_scope_mut().filter(|scope| scope.aside.is_some()) else {
            return true;
        };
        let is_new = !scope.lasting.iter().any(|known| **known == *name);
        if is_new {
            scope.lasting.push(name.into());
        }
        is_new
    }

    /// A function ends, and keeps those variables that are to last.
    pub(super) fn keep_lasting(&mut self, function: &Function, scope: &mut Scope) {
        let names = std::mem::take(&mut scope.lasting);
        if names.is_empty() {
            return;
        }
        let variable = |name: Rc<[u8]>| {
            let variable = self.state.variables.itself(&name).cloned();
            (name, variable)
        };
        let kept = names.into_iter().map(variable).collect();
        self.lasting.insert(Rc::as_ptr(&function.body), (function.body.clone(), kept));
    }
}

/// Whether a text is what the expansion of a positional parameter gave, in the word itself or in commands that
/// are substituted in it.
fn comes_from_parameter(text: &Text) -> bool {
    let Some((run, _)) = text.runs().next() else { return false };
    let ways = run.origin.hops().map(|origin| origin.hop());
    let mut ways = ways.skip_while(|hop| hop.rule == Rule::Stored);
    let is_source =
        |hop: &&Hop| !matches!(hop.rule, Rule::Command | Rule::Output | Rule::Join | Rule::Folded);
    let named = ways.find(is_source);
    named.is_some_and(|hop| {
        let name = hop.name.as_deref().unwrap_or_default();
        hop.rule == Rule::Parameter && !name.is_empty() && name.iter().all(u8::is_ascii_digit)
    })
}
