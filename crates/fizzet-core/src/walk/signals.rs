//! Actions of `trap` that are carried out meanwhile: for signals that the shell sends itself, and for
//! ERR, DEBUG and RETURN.

use std::rc::Rc;

use crate::definition;
use crate::dialect::{
    ActingDeaths, ActionMistakes, ActionStatus, DeathStatus, DebugAt, MistakesEndAction,
    SignalsInSubstitutions,
};
use crate::lineage::{Hop, Rule};
use crate::state::{Traps, Value};
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::ast::{AndOr, Command, CommandKind as Node};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::signal_number;

/// Signals whose effect is nothing where they have no action (signal(7)).
pub(super) const HARMLESS: [&str; 4] = ["CHLD", "CONT", "URG", "WINCH"];

/// A signal that has come to the shell.
#[derive(Clone, Copy)]
pub(super) struct Signal {
    name: &'static str,
    /// `$?` when it was sent.
    status: Status,
    /// Whether a subshell has sent it.
    beside: bool,
}

/// The end of the shell by a signal.
#[derive(Clone, Copy)]
pub(super) struct Death {
    /// Whether it leaves time for the action for EXIT.
    pub(super) acts: bool,
    /// The status that this action sees.
    pub(super) seen: Status,
}

/// How things stood when an action began.
#[derive(Clone, Copy)]
pub(super) struct EnteredAction {
    /// `$?`
    status: Status,
    /// How many functions were being called.
    scopes: usize,
    /// How many subshells it was in that are groups, or in the background.
    groups: u32,
    /// What it is for.
    condition: &'static str,
}

/// What the action for DEBUG finds the commands in that it stands before.
const DEBUGGED: &[u8] = b"ZSH_DEBUG_CMD";

/// The conditions that functions and subshells may know or not.
const INHERITABLE: [&str; 3] = ["ERR", "DEBUG", "RETURN"];

/// What is added to the number of a signal for the status of a function that it ends.
const LEFT_BY_SIGNAL: Status = 256;

impl Walker {
    /// A function has ended that a signal went out of: the action outside of it is carried out next, or that is
    /// left too. The action of the function itself for EXIT stands for it.
    pub(super) fn go_on_outward(&mut self, acted: bool) -> Result<(), Stop> {
        let Some(signal) = self.outward else { return Ok(()) };
        let status = LEFT_BY_SIGNAL + signal_number(signal.name);
        if !acted && !self.has_action(signal.name) {
            return Err(Stop::Return(status));
        }
        self.outward = None;
        if !acted {
            self.pending.insert(0, Signal { status, ..signal });
        }
        Ok(())
    }

    /// A signal comes to the shell, with the status that it has then.
    pub(super) fn signal(&mut self, name: &'static str) {
        let beside = self.state.doing.depth > 0;
        self.pending.push(Signal { name, status: self.state.status, beside });
    }

    /// Does what the signals ask for that have come; those that come to a shell while one of its
    /// subshells runs wait for the end of that.
    pub(super) fn act_on_signals(&mut self) -> Result<(), Stop> {
        while self.state.doing.depth == 0 && !self.pending.is_empty() {
            let signal = self.pending.remove(0);
            let name = signal.name;
            match self.state.traps.get(name.as_bytes()) {
                Some(action) if action.is_empty() => {}
                Some(_) if self.state.dialect.signals_act_at_once => {
                    self.act_inside(name, signal.status)?
                }
                Some(_) => self.act(name)?,
                None if self.is_harmless(signal) => {}
                None if self.has_action_outside(name) => {
                    self.outward = Some(signal);
                    return Err(Stop::Return(LEFT_BY_SIGNAL + signal_number(name)));
                }
                None => return Err(self.die(signal)),
            }
        }
        Ok(())
    }

    /// The same at the end of a command substitution, where less of it may count.
    pub(super) fn act_on_signals_inside(&mut self) -> Result<(), Stop> {
        let counts = match self.state.dialect.signals_in_substitutions {
            SignalsInSubstitutions::Nothing => false,
            SignalsInSubstitutions::Deaths => self.pending.iter().any(|signal| {
                !self.state.traps.contains_key(signal.name.as_bytes()) && !self.is_harmless(*signal)
            }),
            SignalsInSubstitutions::All => true,
        };
        if counts { self.act_on_signals() } else { Ok(()) }
    }

    /// Whether a signal without an action does nothing.
    fn is_harmless(&self, signal: Signal) -> bool {
        let dialect = &self.state.dialect;
        let is_left =
            signal.beside && signal.name == "INT" && dialect.interrupts_are_left_to_subshells;
        is_left || HARMLESS.contains(&signal.name) || dialect.ignored_signals.contains(&signal.name)
    }

    /// The end of the shell by a signal.
    fn die(&mut self, signal: Signal) -> Stop {
        let in_function = !self.scopes.is_empty();
        let dialect = &self.state.dialect;
        let acts = match dialect.signals_act_at_exit {
            ActingDeaths::AllBut(silent) => !silent.contains(&signal.name),
            ActingDeaths::Only(acting) => acting.contains(&signal.name),
            ActingDeaths::OutsideFunctions(acting) => acting.contains(&signal.name) && !in_function,
        };
        let number = signal_number(signal.name);
        let seen = match dialect.death_status {
            DeathStatus::OfSignal => 128 + number,
            DeathStatus::Latest if signal.beside => self.status_outside,
            DeathStatus::Latest => self.state.status,
            DeathStatus::Before if signal.beside => number,
            DeathStatus::Before if in_function || signal.name == "INT" => 256 + number,
            DeathStatus::Before => signal.status,
            DeathStatus::One => 1,
        };
        self.death = Some(Death { acts, seen });
        Stop::Exit(128 + number)
    }

    /// The same while the utility runs that has sent the signal, whose status comes behind it: the action sees the
    /// one before, and cannot return another.
    fn act_inside(&mut self, condition: &'static str, before: Status) -> Result<(), Stop> {
        let sent = std::mem::replace(&mut self.state.status, before);
        let outcome = self.act(condition);
        match outcome {
            Ok(()) => self.state.status = sent,
            Err(Stop::Return(_)) => return Err(Stop::Return(sent)),
            Err(stop) => return Err(stop),
        }
        Ok(())
    }

    /// Carries out the action for a condition, if there is one that is not being carried out; the status
    /// stays what it was.
    pub(super) fn act(&mut self, condition: &'static str) -> Result<(), Stop> {
        if self.acting.contains(&condition) {
            self.action_status = 0;
            return Ok(());
        }
        let Some(action) = self.action(condition).cloned() else { return Ok(()) };
        let (status, at) = (self.state.status, self.state.doing.at);
        let source = self.state.sources.built("trap", action.bytes());
        let rule = match condition {
            "ERR" | "DEBUG" | "RETURN" => self.state.dialect.line_numbers.in_actions,
            _ => self.state.dialect.line_numbers.at_signals,
        };
        self.state.number_lines(source, rule);
        self.acting.push(condition);
        self.actions.push(self.entered_action(condition));
        let error_told = self.error_told;
        let spares = condition == "DEBUG" && self.state.dialect.debug_spares_failures;
        let exits = self.state.options.exit_on_error;
        self.state.options.exit_on_error &= !spares;
        let loops = self.loops;
        if self.state.dialect.actions_hide_loops {
            self.loops = 0;
        }
        let outcome = self.source(source);
        self.loops = loops;
        if spares {
            self.state.options.exit_on_error = exits;
        }
        let outcome = match outcome {
            Err(Stop::Syntax(error)) if self.holds_mistake_of(condition) => {
                let status = self.state.dialect.eval_syntax_status;
                self.survive(ShellError::new(error.to_string(), error.span, status, Reach::Line));
                Ok(())
            }
            Err(Stop::Shell(error)) if self.ends_action(&error, condition) => {
                self.survive(error);
                Ok(())
            }
            outcome => outcome,
        };
        self.error_told = error_told;
        let stays = match outcome {
            Err(Stop::Return(_)) => self.state.dialect.left_actions_stay,
            Err(Stop::Exit(_)) => self.state.dialect.exited_actions_stay.contains(&condition),
            _ => false,
        };
        if !stays {
            self.acting.pop();
        }
        self.actions.pop();
        self.state.doing.at = at;
        self.action_status = self.state.status;
        if outcome.is_ok() {
            self.state.status = status;
        }
        outcome
    }

    /// Whether the shell goes on behind an action that it cannot read.
    fn holds_mistake_of(&self, condition: &str) -> bool {
        match self.state.dialect.action_mistakes {
            ActionMistakes::Fatal => false,
            ActionMistakes::HeldButOfSignals => matches!(condition, "ERR" | "DEBUG"),
            ActionMistakes::Held => true,
        }
    }

    /// Whether a mistake ends only the action that it is in.
    fn ends_action(&self, error: &ShellError, condition: &str) -> bool {
        match self.state.dialect.mistakes_end_actions {
            MistakesEndAction::None => false,
            MistakesEndAction::OfErr => condition == "ERR",
            MistakesEndAction::ButOfUtilities => !error.is_usage,
            MistakesEndAction::ButExits => !error.exits,
        }
    }

    /// Where an action begins.
    pub(super) fn entered_action(&self, condition: &'static str) -> EnteredAction {
        let (status, scopes) = (self.state.status, self.scopes.len());
        EnteredAction { status, scopes, groups: self.groups, condition }
    }

    /// The status of `exit` or `return` without an operand.
    pub(super) fn status_to_leave_with(&self, returns: bool) -> Status {
        let Some(action) = self.actions.last() else { return self.state.status };
        let dialect = &self.state.dialect;
        let rule = if returns { dialect.return_in_actions } else { dialect.exit_in_actions };
        let before = match rule {
            ActionStatus::Latest => false,
            _ if returns && dialect.return_takes_latest.contains(&action.condition) => false,
            ActionStatus::Before => true,
            ActionStatus::BeforeOutsideFunctions => action.scopes == self.scopes.len(),
            ActionStatus::BeforeAtEnd => action.condition == "EXIT" && action.groups == self.groups,
        };
        if before { action.status } else { self.state.status }
    }

    /// Whether there is an action for a condition.
    pub(super) fn has_action(&self, condition: &str) -> bool {
        !self.state.traps.is_empty() && self.action(condition).is_some()
    }

    /// The action for a condition; that for ERR may be kept under its other name.
    fn action(&self, condition: &str) -> Option<&Text> {
        let traps = &self.state.traps;
        let other = (condition == "ERR").then(|| traps.get(&b"ZERR"[..])).flatten();
        traps.get(condition.as_bytes()).or(other)
    }

    /// The action for DEBUG before a command, where the shell has it for this kind of command; answers
    /// whether the command is to be carried out.
    pub(super) fn act_before(&mut self, command: &Command) -> Result<bool, Stop> {
        if !self.has_action("DEBUG") {
            return Ok(true);
        }
        let acts = match (self.state.dialect.debug_at, &command.kind) {
            (DebugAt::Never | DebugAt::Lists, _) => false,
            (DebugAt::Parts, Node::Simple(simple)) => {
                !(simple.words.is_empty() && command.redirects.is_empty())
            }
            (_, Node::Simple(_)) => true,
            (_, Node::Arithmetic(_) | Node::Conditional(_) | Node::Case { .. }) => true,
            (DebugAt::Tests | DebugAt::Parts, _) => false,
        };
        if !acts {
            return Ok(true);
        }
        let decided = self.act("DEBUG").map(|()| self.action_status);
        match decided? {
            0 => Ok(true),
            _ if !self.state.options.debugger => Ok(true),
            2 if !self.state.doing.calls.is_empty() => Err(Stop::Return(self.state.status)),
            _ => {
                self.state.status = 0;
                Ok(false)
            }
        }
    }

    /// The action for DEBUG before an and-or list.
    pub(super) fn act_before_list(&mut self, commands: &AndOr) -> Result<(), Stop> {
        let acts = self.state.dialect.debug_at == DebugAt::Lists
            && self.has_action("DEBUG")
            && !self.is_leaving();
        if !acts {
            return Ok(());
        }
        self.state.doing.at = Some(commands.span);
        if !self.state.dialect.debug_tells_commands || self.acting.contains(&"DEBUG") {
            return self.act("DEBUG");
        }
        let hop = Hop { rule: Rule::Shell, span: commands.span, name: None, shifted: 0 };
        let dialect = self.state.dialect.clone();
        let told = definition::commands(&self.state.sources, &dialect, commands, hop);
        self.state.variables.entry(DEBUGGED).value = Value::Scalar(told);
        let outcome = self.act("DEBUG");
        self.state.variables.remove(DEBUGGED);
        outcome
    }

    /// The same before a command leaves the shell, where it counts there and not inside.
    pub(super) fn act_before_fork(&mut self, command: &Command) -> Result<(), Stop> {
        let acts = self.state.dialect.debug_before_forks
            && matches!(command.kind, Node::Simple(_))
            && !self.state.options.traces_functions
            && self.has_action("DEBUG");
        if acts {
            self.state.doing.at = Some(command.span);
            self.note_command(command);
            self.act_before(command)?;
        }
        Ok(())
    }

    /// Whether the action for EXIT is under way, and other actions do not count in it.
    pub(super) fn is_leaving(&self) -> bool {
        self.state.dialect.exit_action_is_alone
            && self.actions.iter().any(|action| action.condition == "EXIT")
    }

    /// The action for DEBUG at a part of a command: behind an assignment, or before a redirection.
    pub(super) fn act_at_part(&mut self) -> Result<(), Stop> {
        match self.state.dialect.debug_at == DebugAt::Parts && self.has_action("DEBUG") {
            true => self.act("DEBUG"),
            false => Ok(()),
        }
    }

    /// The actions that a function does not inherit; they are back when it returns. One that is carried out for
    /// DEBUG has none for RETURN, and one that is marked (`declare -ft`) has those for DEBUG and RETURN (bash 5.2,
    /// execute_function).
    pub(super) fn set_actions_aside(&mut self, traced: bool) -> Traps {
        let dialect = self.state.dialect.clone();
        let mut aside = Traps::default();
        if self.state.traps.is_empty() || !dialect.functions_lose_actions {
            return aside;
        }
        let inherited = self.inherited_actions();
        let debugs = self.acting.contains(&"DEBUG");
        let is_inherited = |name: &&str| match *name {
            "RETURN" if debugs => false,
            "DEBUG" | "RETURN" if traced => true,
            _ => inherited.contains(name),
        };
        for condition in INHERITABLE.into_iter().filter(|name| !is_inherited(name)) {
            if let Some((name, action)) = self.state.traps.remove_entry(condition.as_bytes()) {
                aside.insert(name, action);
            }
        }
        aside
    }

    /// The action for DEBUG, which a file does not inherit either; it is back behind the file.
    pub(super) fn set_debugging_aside(&mut self) -> Option<Text> {
        let loses =
            self.state.dialect.functions_lose_actions && !self.state.options.traces_functions;
        if loses { self.state.traps.remove(&b"DEBUG"[..]) } else { None }
    }

    /// Undoes [`Walker::set_debugging_aside`], unless the file has set an action of its own.
    pub(super) fn debugging_comes_back(&mut self, aside: Option<Text>) {
        if let Some(action) = aside {
            self.state.traps.entry(Rc::from(&b"DEBUG"[..])).or_insert(action);
        }
    }

    /// The conditions whose actions functions and subshells have too, where that depends on options.
    pub(super) fn inherited_actions(&self) -> Vec<&'static str> {
        let options = &self.state.options;
        let is_inherited = |name: &&str| match *name {
            "ERR" => options.traces_errors,
            _ => options.traces_functions,
        };
        match self.state.dialect.functions_lose_actions {
            true => INHERITABLE.into_iter().filter(is_inherited).collect(),
            false => Vec::new(),
        }
    }

    /// A function returns: its action for RETURN, and then the actions that it did not inherit.
    pub(super) fn actions_come_back(&mut self, aside: Traps) -> Result<(), Stop> {
        let outcome = match self.has_action("RETURN") {
            true => self.act("RETURN"),
            false => Ok(()),
        };
        for (name, action) in aside {
            let name: Rc<[u8]> = name;
            self.state.traps.entry(name).or_insert(action);
        }
        outcome
    }
}
