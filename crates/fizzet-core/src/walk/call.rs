//! Calls of functions (POSIX XCU 2.9.5).

use std::rc::Rc;

use crate::dialect::{KeepsScope, Nesting};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Call, Function, Options, Positional, Variable};
use crate::stop::{Reach, Stop};
use crate::syntax::ast::{Command, CommandKind as Node, Word};
use crate::text::{Passage, Standing, Text};
use crate::walk::builtins::zsh_options::take_emulation;
use crate::walk::closed_functions::Aside;
use crate::walk::substitutions::last_simple;
use crate::walk::{Cause, Left, Walker, builtins};

/// A condition, its action, and the function that is named after it.
pub(super) type KeptAction = (Rc<[u8]>, Option<Text>, Option<Function>);

/// What a function call puts back when it returns.
#[derive(Clone, Default)]
pub(super) struct Scope {
    /// The parameters outside of the function.
    pub(super) outer: Positional,
    /// Variables that `local` has hidden, in order.
    pub(super) hidden: Vec<(Rc<[u8]>, Option<Variable>)>,
    /// The actions that it has changed while they were its own, as they were before.
    pub(super) actions: Vec<KeptAction>,
    /// Variables that were assigned before the call and that `local` has made its own.
    pub(super) adopted: Vec<Rc<[u8]>>,
    /// Options as they were before `local -`.
    pub(super) options: Option<Options>,
    /// Whether `typeset` makes variables of the function.
    pub(super) has_variables: bool,
    /// Where `getopts` stood before `local OPTIND`, where that keeps it.
    pub(super) options_at: Option<builtins::OptionPlace>,
    /// Where `local` was given a name that no variable can have, which the shell minds when the function ends.
    pub(super) bad_name: Option<Span>,
    /// What belongs to the caller, which the function does not see.
    pub(super) aside: Option<Aside>,
    /// Its own variables that last until the next call.
    pub(super) lasting: Vec<Rc<[u8]>>,
    /// Whether the script itself had set OPTIND last, where the function has its own.
    pub(super) index_by_script: bool,
}

/// The function that is the action for EXIT in shells that have such functions.
const EXIT_FUNCTION: &[u8] = b"TRAPEXIT";

impl Walker {
    pub(super) fn anonymous(
        &mut self,
        body: &Rc<Command>,
        words: &[Word],
        span: Span,
    ) -> Result<(), Stop> {
        let mut argv = vec![self.state.shell_text(b"(anon)")];
        argv.append(&mut self.listed(words)?);
        match argv.len() {
            0 | 1 => self.state.doing.last = Some(Rc::default()),
            _ => self.leave_argument(&Rc::new(argv.clone())),
        }
        let before = self.state.doing.last.clone();
        self.call(&Function::new(body.clone(), true, span), &argv, span)?;
        self.state.doing.last = before;
        Ok(())
    }

    /// A function ends that may have said that its options are its own.
    fn forget_settings(&mut self, options: Options) {
        if self.state.options.local_options {
            self.state.put_options(options);
        }
    }

    /// Refuses a call that passes the bound of FUNCNEST.
    fn mind_nesting(&self, span: Span) -> Result<(), Stop> {
        let given = || {
            let text = self.state.variables.scalar(b"FUNCNEST")?;
            std::str::from_utf8(text.bytes()).ok()?.trim().parse::<i64>().ok()
        };
        let (bound, reach) = match self.state.dialect.function_nesting {
            Nesting::Unbounded => return Ok(()),
            Nesting::IfPositive => (given().filter(|&bound| bound > 0), Reach::Line),
            Nesting::From(start) => {
                (Some(given().unwrap_or(start)).filter(|&bound| bound >= 0), Reach::Shell)
            }
        };
        match bound.filter(|&bound| i64::from(self.depth) >= bound) {
            None => Ok(()),
            Some(bound) => {
                let message = format!("functions call each other deeper than FUNCNEST ({bound})");
                Err(Stop::error(message, span, 1, reach))
            }
        }
    }

    /// Carries out the body of a function.
    fn body_of(&mut self, function: &Function) -> Result<(), Stop> {
        self.bodies += 1;
        let traced = self.state.options.traces_functions || function.marks.traced;
        if traced && self.state.dialect.functrace_option && self.has_action("DEBUG") {
            self.state.doing.at = Some(function.body.span);
            self.act("DEBUG")?;
        }
        match &function.body.kind {
            Node::Group(list) if function.body.redirects.is_empty() => {
                self.step(function.body.span)?;
                self.list(list)
            }
            _ => self.body_alone(&function.body),
        }
    }

    /// Where the call of a function is all that is left of a substitution, so is the last command of its body, unless
    /// an action is set by now.
    fn pass_replacement(&mut self, function: &Function, span: Span) {
        if !self.replaced_at.is_some_and(|(at, _)| at == span) {
            return;
        }
        let counts = |condition: &Rc<[u8]>| !matches!(&**condition, b"DEBUG" | b"RETURN");
        let last = match &function.body.kind {
            Node::Group(list) if !self.state.traps.keys().any(counts) => last_simple(list),
            _ => None,
        };
        self.replaced_at = last.map(|command| (command.span, true));
    }

    /// Carries the body out with the options that the function was defined to have.
    fn as_emulated(&mut self, function: &Function) -> Result<(), Stop> {
        let Some(emulation) = &function.emulation else { return self.body_of(function) };
        if self.state.emulation.as_ref() == Some(emulation) {
            return self.body_of(function);
        }
        let options = self.state.options.clone();
        let outer = self.state.emulation.replace(emulation.clone());
        take_emulation(&mut self.state, emulation);
        let outcome = self.body_of(function);
        self.state.put_options(options);
        self.state.emulation = outer;
        outcome
    }

    /// Calls a function with the arguments of the latest command.
    pub(super) fn call(
        &mut self,
        function: &Function,
        argv: &[Text],
        span: Span,
    ) -> Result<(), Stop> {
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("function calls inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span });
        }
        self.mind_nesting(span)?;
        self.pass_replacement(function, span);
        let hop = Hop { rule: Rule::Call, span, name: None, shifted: 0 };
        let outer = self.state.positional.share();
        let parameters = Passage::all(&hop, Standing::Quoted, &argv[1..]);
        self.state.positional.set(parameters);
        self.tell_change(Cause::Call, &outer, span)?;
        let has_variables = function.keyword || !self.state.dialect.plain_functions_share;
        let own = function.keyword && self.state.dialect.functions_have_options;
        let options = own.then(|| self.state.options.clone());
        let matched = self.state.dialect.match_variable.map(|name| {
            (name.as_bytes().into(), self.state.variables.itself(name.as_bytes()).cloned())
        });
        let mut scope = Scope {
            hidden: matched.into_iter().collect(),
            outer: outer.share(),
            has_variables,
            options,
            ..Scope::default()
        };
        self.close(function, &mut scope);
        self.scopes.push(scope);
        self.take_lasting(function);
        let letters = self.state.dialect.functions_keep_letters.bytes();
        let is_on = |name: &&'static str| self.state.options.is_toggled(name.as_bytes());
        let kept_options = self.state.dialect.functions_keep_options.iter();
        let kept_options: Vec<_> = kept_options.map(|name| (*name, is_on(name))).collect();
        let letters: Vec<_> = letters.map(|one| (one, self.state.letter_is_on(one))).collect();
        if own && self.state.dialect.functions_begin_untraced {
            self.state.set_letter(b'x', function.marks.traced);
        }
        if self.state.dialect.function_zero.include(function.keyword)
            && let Some(name) = argv.first()
        {
            self.state.positional.zero = Rc::new(name.passed_through(&hop, Standing::Quoted));
        }
        let own_options = self.own_options(function.keyword);
        let hides = self.state.dialect.functions_hide_loops;
        let loops = if hides { std::mem::take(&mut self.loops) } else { self.loops };
        self.depth += 1;
        let local_trap = self.state.dialect.exit_trap_is_local.include(function.keyword);
        let outer_trap = local_trap.then(|| self.state.traps.remove(&b"EXIT"[..])).flatten();
        let named = local_trap && self.state.dialect.functions_are_actions;
        let outer_action = named.then(|| self.state.functions.remove(EXIT_FUNCTION)).flatten();
        let from = self.state.doing.at.unwrap_or(span);
        let (name, body) = (argv[0].clone(), function.body.span);
        self.state.doing.calls.push(Call { name, source: body.source, from, body, is_file: false });
        let keeps_arguments = self.state.options.debugger;
        if keeps_arguments {
            self.state.doing.arguments.push(self.state.positional.all());
        }
        let restorable = self.state.dialect.functions_can_keep_options;
        let before = restorable.then(|| self.state.options.clone());
        let ties = self.state.ties.clone();
        let patterns = self.state.disabled_patterns;
        let aside = self.set_actions_aside(function.marks.traced);
        // What the caller asks of the status does not count inside for `err_return`.
        let testing = std::mem::replace(&mut self.testing_outside, self.testing);
        let mut outcome = self.as_emulated(function);
        self.testing_outside = testing;
        if matches!(outcome, Err(Stop::Enough)) {
            // The state stays as it stands here.
            return outcome;
        }
        self.depth -= 1;
        if let Err(Stop::Return(status)) = outcome {
            self.state.status = status;
            self.spared = false;
            self.call_is_spared = self.return_is_asked && self.state.dialect.asked_returns_spare;
        }
        if keeps_arguments {
            self.state.doing.arguments.pop();
        }
        if outcome.is_ok() && self.has_action("RETURN") {
            // Its line is that of the body, but where `return` has ended it.
            self.state.doing.at = Some(body);
        }
        let back = self.actions_come_back(aside);
        self.state.doing.returned += 1;
        self.state.doing.shows_main |= self.is_script() && matches!(outcome, Err(Stop::Shell(_)));
        if outcome.is_ok() || matches!(outcome, Err(Stop::Return(_))) {
            back?;
        }
        if !(matches!(outcome, Err(Stop::Exit(_))) && self.state.dialect.line_numbers.kept_by_exit)
        {
            self.state.doing.at = Some(from);
        }
        if local_trap && self.error_exit == Some(self.scopes.len()) {
            outcome = self.leave_shell(outcome, self.scopes.len(), Left::Shell);
        }
        let holding = self.state.dialect.functions_hold_mistakes.include(function.keyword);
        let holds = holding && !self.mistakes_go_through();
        let kept = match &outcome {
            Err(Stop::Exit(_))
                if self.error_exit.is_some()
                    && let Some(kept) = self.state.dialect.error_exit_keeps =>
            {
                kept
            }
            Err(Stop::Exit(_)) => self.state.dialect.exit_keeps,
            Err(Stop::Shell(error))
                if error.reach == Reach::Shell && !holds && !self.ends_line(error) =>
            {
                let dialect = &self.state.dialect;
                match self.state.options.exit_on_error {
                    true => dialect.mistakes_under_option_keep,
                    false => dialect.mistakes_keep,
                }
            }
            _ => KeepsScope::Nothing,
        };
        if kept == KeepsScope::All {
            return outcome;
        }
        if kept != KeepsScope::Parameters {
            self.state.doing.calls.pop();
        }
        if kept == KeepsScope::Variables {
            // What is hidden stays hidden.
            self.scopes.last_mut().map(|scope| std::mem::take(&mut scope.hidden));
        }
        let own_options = match own_options {
            // Its place only: OPTIND says afterwards where to go.
            Some(own) if own.index.is_none() => {
                self.earlier_options(own);
                None
            }
            own => own,
        };
        if let Some(mut scope) = self.scopes.pop() {
            self.restore_actions(std::mem::take(&mut scope.actions));
            if let Some(place) = scope.options_at {
                self.options_at = place;
            }
            let hid_index = scope.hidden.iter().any(|(name, _)| **name == *b"OPTIND");
            let looked = hid_index && self.state.index_is_touched;
            self.keep_lasting(function, &mut scope);
            self.bring_hidden_back(&mut scope.hidden);
            self.restore(scope.hidden);
            if let Some(aside) = scope.aside {
                self.open_again(aside);
            }
            if hid_index && scope.options_at.is_none() {
                self.index_is_back(looked, scope.index_by_script);
            }
            if let Some(own_options) = own_options {
                self.earlier_options(own_options);
            }
            if let Some(options) = scope.options {
                self.state.put_options_back(options);
            }
            for (letter, on) in letters {
                self.state.set_letter(letter, on);
            }
            for (name, on) in kept_options {
                if self.state.options.is_toggled(name.as_bytes()) != on {
                    self.state.set_by_name(name.as_bytes(), on);
                }
            }
            if let Some(span) = scope.bad_name
                && matches!(outcome, Ok(()) | Err(Stop::Return(_)))
            {
                let message = "a name that `local` was given is no name of a variable";
                outcome = Err(Stop::error(message, span, 2, Reach::Shell));
            }
        }
        self.loops = loops;
        if self.state.dialect.functions_hold_breaks
            && matches!(outcome, Err(Stop::Break(_) | Stop::Continue(_)))
        {
            outcome = Ok(());
        }
        if kept == KeepsScope::Parameters {
            return outcome;
        }
        let inner = std::mem::replace(&mut self.state.positional, outer);
        if !self.state.dialect.function_zero.include(function.keyword) {
            self.state.positional.zero = inner.zero.clone();
        }
        self.tell_change(Cause::Return, &inner, span)?;
        if let Err(Stop::Return(status)) = outcome {
            self.state.status = status;
            self.spared = false;
            outcome = Ok(());
        }
        let acts = local_trap && self.has_action("EXIT");
        if local_trap {
            self.mistake_leaves_function(&outcome);
            outcome = self.leave_shell(outcome, self.scopes.len() + 1, Left::Function);
        }
        if self.state.options.is_toggled(b"localpatterns") {
            self.state.disabled_patterns = patterns;
        }
        if let Some(options) = before {
            self.forget_settings(options);
            self.state.ties = ties;
        }
        if local_trap {
            if let Some(trap) = outer_trap {
                self.state.traps.insert(b"EXIT"[..].into(), trap);
            }
            if named {
                self.state.functions.remove(EXIT_FUNCTION);
            }
            if let Some(action) = outer_action {
                self.state.functions.insert(EXIT_FUNCTION.into(), action);
            }
            if let Err(Stop::Shell(error)) = &mut outcome {
                // Only the innermost function knows of the exit.
                error.exits = false;
            }
        }
        if holds {
            match &outcome {
                Err(Stop::Shell(error)) => {
                    self.state.status = error.status;
                    return Ok(());
                }
                Err(Stop::Syntax(_)) => {
                    self.state.status = self.state.dialect.eval_syntax_status;
                    return Ok(());
                }
                _ => {}
            }
        }
        outcome?;
        self.go_on_outward(acts)
    }
}
