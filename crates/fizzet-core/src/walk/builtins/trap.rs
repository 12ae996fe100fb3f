//! `trap`, and the actions for EXIT (POSIX XCU trap).

use std::rc::Rc;

use crate::definition;
use crate::dialect::{EvalLines, FirstCondition, LoneCondition, OuterTraps};
use crate::expand::Context;
use crate::expand::quoting::told;
use crate::lineage::{Hop, Origin, Rule};
use crate::source::{SourceId, SourceKind, Sources, Span};
use crate::state::Traps;
use crate::stop::{Status, Stop};
use crate::syntax::Parser;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::control::number;
use crate::walk::builtins::{Call, signal_number};
use crate::walk::call::KeptAction;

/// The signals that every shell here knows by name, from number 1 on (Linux, signal(7)).
pub(super) const SIGNALS: [&str; 31] = [
    "HUP", "INT", "QUIT", "ILL", "TRAP", "ABRT", "BUS", "FPE", "KILL", "USR1", "SEGV", "USR2",
    "PIPE", "ALRM", "TERM", "STKFLT", "CHLD", "CONT", "STOP", "TSTP", "TTIN", "TTOU", "URG",
    "XCPU", "XFSZ", "VTALRM", "PROF", "WINCH", "IO", "PWR", "SYS",
];

/// `trap [action] condition...`, `trap -p [condition...]`, `trap`
pub(super) fn trap(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = match dialect.trap_letters {
        Some(letters) => call.given(letters, false),
        None => call.without_dashes(),
    };
    let usage = dialect.option_usage_status;
    if given.unknown.is_some() {
        return match dialect.trap_options_are_fatal {
            true => Err(walker.fatal_with(call, "an option is not known", usage)),
            false => Ok(usage),
        };
    }
    if given.has(b'l') {
        walker.tell_signals(call);
        return Ok(0);
    }
    if given.operands.is_empty() {
        walker.tell_traps(call);
        return Ok(0);
    }
    if given.has(b'p') {
        return Ok(walker.tell_actions(given.operands, call));
    }
    if let [only] = given.operands
        && let Some(outcome) = walker.lone_operand(call, only)
    {
        return outcome;
    }
    if given.operands.iter().any(Text::has_hole) {
        walker.missing("the text of this action", call.span);
    }
    let (action, conditions) = match given.operands {
        [first, ..] if walker.is_first_condition(first.bytes()) => (None, given.operands),
        [only] => (None, std::slice::from_ref(only)),
        [first, rest @ ..] => (Some(first).filter(|text| text.bytes() != b"-"), rest),
        [] => return Ok(0),
    };
    if action.is_some_and(|action| !walker.can_read_action(action)) {
        return Ok(1);
    }
    let mut status = 0;
    // What a subshell has only been told of is gone with its first own order.
    walker.state.outer_traps = None;
    for condition in conditions {
        let Some(name) = walker.trap_condition(condition.bytes()) else {
            status = 1;
            if dialect.trap_stops_at_unknown {
                break;
            }
            continue;
        };
        walker.keep_action(&name);
        if walker.state.dialect.functions_are_actions {
            let function = [b"TRAP", &*name].concat();
            walker.state.functions.remove(&function[..]);
        }
        if matches!(&*name, b"ERR" | b"ZERR") {
            walker.state.traps.remove(&b"ERR"[..]);
            walker.state.traps.remove(&b"ZERR"[..]);
        }
        match action {
            Some(action) => walker.state.traps.insert(name, action.clone()),
            None => walker.state.traps.remove(&name),
        };
    }
    Ok(status)
}

impl Walker {
    /// What becomes of a lone operand that takes no action away.
    fn lone_operand(&mut self, call: &Call<'_>, only: &Text) -> Option<Result<Status, Stop>> {
        let name = only.bytes();
        if number(name).is_some() && self.is_first_condition(name) {
            return None;
        }
        let known = self.trap_condition(name);
        let is_signal = known.as_deref().is_some_and(|known| known != b"EXIT")
            && !name.iter().any(u8::is_ascii_lowercase);
        match self.state.dialect.lone_condition {
            LoneCondition::KnownOrAllOr(_) if name == b"-" => {
                self.state.traps.clear();
                Some(Ok(0))
            }
            LoneCondition::KnownOr(status) | LoneCondition::KnownOrAllOr(status) => {
                let status = if self.can_read_action(only) { status } else { 1 };
                known.is_none().then_some(Ok(status))
            }
            LoneCondition::SignalOr(status) => (!is_signal).then_some(Ok(status)),
            LoneCondition::Never(status) => {
                Some(Err(self.fatal_with(call, "a condition was expected", status)))
            }
            LoneCondition::Condition => None,
        }
    }

    /// Whether an action can be read, where the shell reads it at once.
    fn can_read_action(&self, action: &Text) -> bool {
        let dialect = &self.state.dialect;
        !dialect.trap_reads_actions
            || action.has_hole()
            || Parser::new(action.bytes(), SourceId::MAIN, dialect).all_commands().is_ok()
    }

    /// Whether the first operand is a condition as the others are, so that all lose their actions.
    fn is_first_condition(&self, first: &[u8]) -> bool {
        let is_number = number(first).is_some();
        match self.state.dialect.first_condition {
            FirstCondition::Number => is_number,
            FirstCondition::KnownNumber => is_number && self.trap_condition(first).is_some(),
            FirstCondition::Known => self.trap_condition(first).is_some(),
        }
    }

    /// The name of a condition as it is kept: EXIT, a signal, or what the shell has besides; nothing
    /// for what is none.
    fn trap_condition(&self, text: &[u8]) -> Option<Rc<[u8]>> {
        let dialect = &self.state.dialect;
        let written = match dialect.conditions_in_capitals {
            true => text.to_vec(),
            false => text.to_ascii_uppercase(),
        };
        let prefix = &b"SIG"[..dialect.condition_prefix];
        let name = written.strip_prefix(prefix).unwrap_or(&written);
        let is = |one: &&str| one.as_bytes() == name;
        let known = match number(name) {
            Some(0) => "EXIT",
            Some(signal @ 1..=31) => SIGNALS[signal as usize - 1],
            Some(signal) if (32..=dialect.largest_signal).contains(&signal) => {
                return Some(name.into());
            }
            Some(_) => return None,
            None if name == b"EXIT" => "EXIT",
            None => SIGNALS
                .iter()
                .copied()
                .find(|one| is(one))
                .or_else(|| dialect.trap_conditions.split_ascii_whitespace().find(is))?,
        };
        Some(known.as_bytes().into())
    }

    /// Keeps the action for a condition that is about to be changed, where the function says that actions are its own.
    fn keep_action(&mut self, condition: &Rc<[u8]>) {
        if !self.state.options.local_traps || **condition == *b"EXIT" {
            return;
        }
        let Some(scope) = self.scopes.last_mut() else { return };
        if scope.actions.iter().any(|(known, ..)| known == condition) {
            return;
        }
        let action = self.state.traps.get(condition).cloned();
        let function = self.state.functions.get(&[b"TRAP", &**condition].concat()[..]).cloned();
        scope.actions.push((condition.clone(), action, function));
    }

    /// The same for the condition that the name of a function names.
    pub(in crate::walk) fn keep_action_named(&mut self, function: &[u8]) {
        if let Some(condition) = self.named_condition(function) {
            self.keep_action(&condition);
        }
    }

    /// Puts back the actions that a function has changed.
    pub(in crate::walk) fn restore_actions(&mut self, kept: Vec<KeptAction>) {
        for (condition, action, function) in kept.into_iter().rev() {
            let name: Rc<[u8]> = [b"TRAP", &*condition].concat().into();
            match function {
                Some(function) => drop(self.state.functions.insert(name, function)),
                None => drop(self.state.functions.remove(&name)),
            }
            match action {
                Some(action) => drop(self.state.traps.insert(condition, action)),
                None => drop(self.state.traps.remove(&condition)),
            }
        }
    }

    /// Makes a function the action for a condition, where its name says so.
    pub(in crate::walk) fn take_for_action(&mut self, function: &[u8]) {
        let Some(condition) = self.named_condition(function) else { return };
        // What the functions are given for conditions that are no signals, was observed.
        let number = match &*condition {
            b"EXIT" => 0,
            b"ZERR" => 32,
            b"DEBUG" => 33,
            name => signal_number(&String::from_utf8_lossy(name)),
        };
        let call = [function, format!(" {number}").as_bytes()].concat();
        let action = self.state.shell_text(&call);
        self.state.traps.insert(condition, action);
    }

    /// The condition that the name of a function names.
    fn named_condition(&self, function: &[u8]) -> Option<Rc<[u8]>> {
        let name = function.strip_prefix(b"TRAP")?;
        let is_word = name.first().is_some_and(u8::is_ascii_uppercase);
        (self.state.dialect.functions_are_actions && is_word)
            .then(|| self.trap_condition(name))
            .flatten()
    }

    /// Takes a function away; false if there is none.
    pub(in crate::walk) fn forget_function(&mut self, name: &[u8]) -> bool {
        if let Some(condition) = self.named_condition(name) {
            self.keep_action(&condition);
            self.state.traps.remove(&condition);
        }
        self.state.functions.remove(name).is_some()
    }

    /// The conditions that have an action, in the order in which the shell tells them.
    fn told_conditions(&self, traps: &Traps) -> Vec<Rc<[u8]>> {
        let others = self.state.dialect.trap_conditions.split_ascii_whitespace();
        let numbers: Vec<String> = (32..=64).map(|signal| signal.to_string()).collect();
        let order = std::iter::once("EXIT")
            .chain(SIGNALS)
            .chain(numbers.iter().map(String::as_str))
            .chain(others);
        let mut names: Vec<Rc<[u8]>> = order
            .filter(|name| traps.contains_key(name.as_bytes()))
            .map(|name| name.as_bytes().into())
            .collect();
        if self.state.dialect.traps_told_backwards {
            names.reverse();
        }
        names
    }

    /// Tells the actions, so that the shell can read them again.
    fn tell_traps(&mut self, call: &Call<'_>) {
        let traps = self.known_traps();
        for name in self.told_conditions(&traps) {
            self.tell_trap(&name, &traps[&name], call);
        }
    }

    /// The actions that `trap` tells: those of the shell around a subshell that has none of its own yet.
    fn known_traps(&self) -> Traps {
        match &self.state.outer_traps {
            Some(outer) => (**outer).clone(),
            None => self.state.traps.clone(),
        }
    }

    /// `trap -p condition...`
    fn tell_actions(&mut self, conditions: &[Text], call: &Call<'_>) -> Status {
        let mut status = 0;
        for condition in conditions {
            let Some(name) = self.trap_condition(condition.bytes()) else {
                status = 1;
                continue;
            };
            match self.known_traps().get(&name).cloned() {
                Some(action) if self.state.dialect.trap_tells_action_alone => {
                    self.print_line(action, call);
                }
                Some(action) => self.tell_trap(&name, &action, call),
                None => {}
            }
        }
        status
    }

    fn tell_trap(&mut self, name: &[u8], action: &Text, call: &Call<'_>) {
        let function = [b"TRAP", name].concat();
        if self.state.dialect.functions_are_actions
            && self.state.functions.contains_key(&function[..])
        {
            return self.define(&function, call);
        }
        let is_signal = SIGNALS.iter().any(|one| one.as_bytes() == name);
        let is_plain = self.state.option_is_on(b"posix") == Some(true);
        let prefix = match is_signal && self.state.dialect.traps_told_with_prefix && !is_plain {
            true => &b"SIG"[..],
            false => b"",
        };
        let action = told(&self.state.dialect, &self.action_anew(action, call.span));
        let line = [b"trap -- ", &action[..], b" ", prefix, name].concat();
        let origin = Origin::new(Rule::Output, call.span);
        self.print_line(Text::from_bytes(line, Standing::Quoted, origin), call);
    }

    /// The text of an action that is told; zsh prints the commands in it anew (observed in zsh 5.9).
    fn action_anew(&self, action: &Text, span: Span) -> Vec<u8> {
        let (dialect, bytes) = (&self.state.dialect, action.bytes());
        let is_printed = dialect.actions_are_printed && !action.has_hole();
        let parsed = is_printed
            .then(|| Parser::new(bytes, SourceId::MAIN, dialect).all_commands().ok())
            .flatten();
        let Some(list) = parsed else { return bytes.to_vec() };
        let sources = Sources::new(SourceKind::Line, bytes);
        let hop = Hop { rule: Rule::Output, span, name: None, shifted: 0 };
        definition::list(&sources, dialect, &list, hop).bytes().to_vec()
    }

    /// A subshell begins: it has none of the actions, keeps what is ignored, and may still tell of them.
    pub(in crate::walk) fn traps_of_subshell(&mut self, is: SubshellIs) -> OuterState {
        let kinds = self.state.dialect.subshell_traps;
        let own = std::mem::take(&mut self.state.traps);
        if kinds != OuterTraps::None {
            let ignored = own.iter().filter(|(_, action)| action.is_empty());
            self.state.traps = ignored.map(|(name, text)| (name.clone(), text.clone())).collect();
        }
        for name in self.state.dialect.subshell_keeps_actions {
            let kept = own.iter().find(|(known, _)| ***known == *name.as_bytes());
            self.state.traps.extend(kept.map(|(name, text)| (name.clone(), text.clone())));
        }
        let inherited = match self.state.dialect.subshells_inherit_actions {
            true => self.inherited_actions(),
            false => Vec::new(),
        };
        for name in inherited {
            let kept = own.get_key_value(name.as_bytes());
            self.state.traps.extend(kept.map(|(name, text)| (name.clone(), text.clone())));
        }
        let tells = match kinds {
            OuterTraps::None | OuterTraps::Ignored => false,
            OuterTraps::Told => true,
            OuterTraps::ToldOutsidePipelines => is != SubshellIs::Pipeline,
            OuterTraps::ToldByLoneTrap => is == SubshellIs::LoneTrap,
        };
        let nested = matches!(kinds, OuterTraps::Told).then(|| self.state.outer_traps.clone());
        let outer = match tells {
            true if own.is_empty() => nested.flatten(),
            true => Some(Rc::new(own.clone())),
            false => None,
        };
        OuterState { traps: own, outer: std::mem::replace(&mut self.state.outer_traps, outer) }
    }

    /// A subshell has ended.
    pub(in crate::walk) fn traps_come_back(&mut self, before: OuterState) {
        self.state.traps = before.traps;
        self.state.outer_traps = before.outer;
    }

    /// Carries out the action for EXIT, when the shell, a subshell or (in some shells) a function ends;
    /// its status stays. `level` counts the functions that it ends in.
    pub(in crate::walk) fn leave_shell(
        &mut self,
        outcome: Result<(), Stop>,
        level: usize,
        left: Left,
    ) -> Result<(), Stop> {
        if let Err(Stop::Shell(error)) = &outcome
            && left == Left::Shell
            && self.state.dialect.mistakes_act_as_failures
            && self.state.options.exit_on_error
            && !self.has_action("EXIT")
        {
            self.state.status = error.status;
            self.act("ERR")?;
        }
        let skips = self.state.dialect.error_exit_skips_outer_actions;
        let in_script = self.is_script()
            && self.state.doing.depth == 0
            && self.state.dialect.mistakes_in_scripts_act
            && !self.state.options.exit_on_error;
        let acts = match &outcome {
            Err(Stop::Limit { .. } | Stop::Enough) => false,
            Err(Stop::Exit(_)) if self.death.is_some_and(|death| !death.acts) => false,
            Err(Stop::Exit(_) | Stop::Shell(_))
                if skips && self.error_exit.is_some_and(|at| at != level) =>
            {
                false
            }
            Err(Stop::Shell(error))
                if error.exits
                    && self.state.doing.depth > 0
                    && self.state.dialect.unset_message_exits =>
            {
                false
            }
            Err(Stop::Shell(_) | Stop::Syntax(_)) if in_script => true,
            Err(Stop::Shell(error)) => error.exits || self.state.dialect.mistakes_act,
            Err(Stop::Syntax(_)) => self.state.dialect.syntax_errors_act,
            _ if left == Left::Function => !self.is_leaving(),
            Ok(()) if self.state.doing.depth > 0 => {
                !(self.state.dialect.exit_action_is_alone && self.has_action("DEBUG"))
            }
            _ => true,
        };
        if !acts {
            return outcome;
        }
        let Some(action) = self.state.traps.remove(&b"EXIT"[..]) else { return outcome };
        match &outcome {
            Err(Stop::Exit(status) | Stop::Return(status)) => {
                self.state.status = self.death.map_or(*status, |death| death.seen);
            }
            Err(Stop::Shell(error)) if self.state.dialect.exit_action_sees_mistakes => {
                self.state.status = error.status;
            }
            Err(Stop::Shell(error))
                if in_script && !error.exits && (self.state.status == 0 || error.is_read_only) =>
            {
                self.state.status = error.status;
            }
            Err(Stop::Syntax(_)) => self.state.status = self.state.dialect.syntax_error_status,
            _ => {}
        }
        let status = self.state.status;
        let source = self.state.sources.built("trap", action.bytes());
        let rule = match (self.state.dialect.line_numbers.at_exit, &outcome) {
            (EvalLines::SameIfAsked, Err(Stop::Exit(_))) => EvalLines::Same,
            (EvalLines::SameIfAsked, Ok(()))
                if self.is_script() && left == Left::Shell && self.state.doing.depth == 0 =>
            {
                self.state.doing.at = Some(self.end_of_script());
                EvalLines::Same
            }
            (EvalLines::SameIfAsked, _) => EvalLines::Own,
            (rule, _) => rule,
        };
        self.state.number_lines(source, rule);
        self.actions.push(self.entered_action("EXIT"));
        let by_error = self.error_exit.take();
        let acted = self.source(source);
        self.actions.pop();
        let exits = matches!(outcome, Err(Stop::Exit(_)));
        let passes = by_error.is_none() && !self.state.dialect.error_in_exit_action_counts;
        let ended_by = match acted {
            Err(Stop::Exit(_)) if passes && self.error_exit.is_some() => None,
            // The function has ended already: it is its caller that is left.
            Err(stop @ (Stop::Return(_) | Stop::Break(_) | Stop::Continue(_)))
                if left == Left::Function && outcome.is_ok() =>
            {
                return Err(stop);
            }
            Err(Stop::Return(status)) if self.state.dialect.exit_action_returns => Some(status),
            Err(stop @ (Stop::Exit(_) | Stop::Limit { .. })) => return Err(stop),
            Err(Stop::Shell(error)) => {
                let counts = self.state.dialect.exit_action_mistakes.count(exits);
                counts.then_some(error.status)
            }
            Err(Stop::Syntax(_)) => {
                let counts = self.state.dialect.exit_action_mistakes.count(exits);
                counts.then_some(self.state.dialect.syntax_error_status)
            }
            _ => None,
        };
        self.error_exit = self.error_exit.or(by_error);
        self.state.status = ended_by.unwrap_or(status);
        match ended_by {
            Some(status) if exits => Err(Stop::Exit(status)),
            _ => outcome,
        }
    }
}

/// What the action for EXIT is carried out at the end of.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(in crate::walk) enum Left {
    /// The shell, or a subshell.
    Shell,
    /// A function with an action of its own.
    Function,
}

/// What the commands of a subshell are a part of.
#[derive(Clone, Copy, PartialEq, Eq, Default, Debug)]
pub(in crate::walk) enum SubshellIs {
    /// A group, or a command in the background.
    #[default]
    Plain,
    /// A command substitution.
    Substitution,
    /// A pipeline.
    Pipeline,
    /// The substitution `$(trap)`.
    LoneTrap,
}

/// The actions that a shell goes back to when a subshell ends.
pub(in crate::walk) struct OuterState {
    traps: Traps,
    outer: Option<Rc<Traps>>,
}

impl OuterState {
    /// Gives a subshell one of the actions.
    pub(in crate::walk) fn lend(&self, traps: &mut Traps, name: &[u8]) {
        let lent = self.traps.get_key_value(name);
        traps.extend(lent.map(|(name, text)| (name.clone(), text.clone())));
    }
}
