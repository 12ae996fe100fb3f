//! Lists and pipelines of commands.

use crate::dialect::{
    EmptyBodies, ErrorAction, FailedRedirections, Holds, LoneStatuses, NegatedJumps,
    SubshellsRedirect,
};
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::ast::{
    AndOr, AssignedValue, Command, CommandKind as Node, Connector, List, Part, Pipeline, Redirect,
};
use crate::trace::CommandKind;
use crate::walk::Walker;
use crate::walk::builtins::SubshellIs;
use crate::walk::descriptors::Input;
use crate::walk::known_line::{end_of, known_at};

/// SIGPIPE.
const BROKEN_PIPE: Status = 13;

impl Walker {
    pub(super) fn list(&mut self, list: &List) -> Result<(), Stop> {
        if list.items.is_empty() && self.state.dialect.empty_bodies != EmptyBodies::Never {
            self.state.status = 0;
        }
        let at_once = self.state.dialect.no_exec_counts_at_once;
        list.items.iter().try_for_each(|and_or| match self.state.options.no_exec && at_once {
            true => Ok(()),
            false => self.and_or(and_or),
        })
    }

    fn and_or(&mut self, and_or: &AndOr) -> Result<(), Stop> {
        if and_or.background {
            let is_one = and_or.rest.is_empty()
                && matches!(&and_or.first.commands[..], [one] if matches!(one.kind, Node::Subshell(_)));
            let drops = and_or.first.negated
                && and_or.rest.is_empty()
                && self.state.dialect.background_is_not_negated;
            let plain = drops.then(|| Pipeline { negated: false, ..and_or.first.clone() });
            if let ([command], []) = (&and_or.first.commands[..], &and_or.rest[..]) {
                self.act_before_fork(command)?;
            }
            let input = self.background_input(and_or);
            self.subshell(|walker| {
                walker.state.doing.depth -= u32::from(is_one);
                if let Some(input) = input {
                    walker.descriptors.read_from(0, input);
                }
                match &plain {
                    None if let Some(command) = lone_command(and_or) => {
                        // The process is the command: its status is looked at where it is waited for.
                        walker.act_before_list(and_or)?;
                        walker.is_process = true;
                        walker.command(command)
                    }
                    Some(pipeline) => walker.pipeline_of(pipeline, false),
                    None => walker.and_or_here(and_or),
                }
            })?;
            let number = self.hole_name();
            self.state.jobs.start(number, self.state.status);
            self.beside = Some(self.state.status);
            self.state.status = 0;
            return Ok(());
        }
        self.and_or_here(and_or)
    }

    fn and_or_here(&mut self, and_or: &AndOr) -> Result<(), Stop> {
        self.spared = false;
        self.act_before_list(and_or)?;
        let (last, rest) = (and_or.rest.len(), &and_or.rest);
        self.pipeline_of(&and_or.first, last > 0)?;
        for (at, (connector, pipeline)) in rest.iter().enumerate() {
            self.state.assumed_status |= self.status_is_guessed();
            let goes_on = (self.state.status == 0) == (*connector == Connector::And);
            if goes_on {
                self.pipeline_of(pipeline, at + 1 < last)?;
            }
        }
        Ok(())
    }

    /// A pipeline of an and-or list; of all but the last the status is only asked for.
    fn pipeline_of(&mut self, pipeline: &Pipeline, asked: bool) -> Result<(), Stop> {
        let turns = pipeline.negated
            && (self.state.options.exit_on_error || !self.state.dialect.negation_asks_under_option);
        if !(asked || turns) {
            return self.pipeline(pipeline);
        }
        let bodies = self.bodies;
        self.tested(|walker| walker.pipeline(pipeline))?;
        self.spared |= pipeline.negated && !asked;
        let calls = || {
            let is_call = |last: &Command| matches!(last.kind, Node::Simple(_) | Node::Case { .. });
            self.bodies > bodies && pipeline.commands.last().is_some_and(is_call)
        };
        match !asked && self.state.dialect.negated_calls_fail && calls() {
            true => self.failure_counts(),
            false => Ok(()),
        }
    }

    /// Ends the shell if `set -e` is on, and the latest command has failed where nobody asks for its status.
    pub(super) fn failure_counts(&mut self) -> Result<(), Stop> {
        if self.state.status == 0 || self.testing > 0 || !self.state.options.exit_on_error {
            return Ok(());
        }
        let status = self.state.status;
        if self.has_action("ERR") {
            self.act("ERR")?;
        }
        self.error_exit = Some(self.scopes.len());
        Err(Stop::Exit(status))
    }

    /// A mistake that ends the shell at once, as `set -e` does, is leaving the function that has just ended.
    pub(super) fn mistake_leaves_function(&mut self, outcome: &Result<(), Stop>) {
        let Err(Stop::Shell(error)) = outcome else { return };
        let under_option = self.state.options.exit_on_error && self.testing == 0;
        if self.error_exit.is_none() && (error.exits || under_option) {
            self.error_exit = Some(self.scopes.len() + 1);
        }
    }

    /// Whether the status on hand is that of a program which was not run.
    fn status_is_guessed(&self) -> bool {
        self.guessed && self.latest == CommandKind::External
    }

    fn pipeline(&mut self, pipeline: &Pipeline) -> Result<(), Stop> {
        let acts = !self.state.dialect.error_action_is_early || self.has_action("ERR");
        let mut fails_twice = false;
        let mut keeps_failure = false;
        let ends = match &pipeline.commands[..] {
            [] => {
                self.state.status = 0;
                false
            }
            [command] => {
                self.error_told = false;
                let calls = self.state.doing.returned;
                self.redirecting_failed = false;
                self.lone = !(pipeline.negated || pipeline.timed);
                let outcome = self.command(command);
                let failed = std::mem::take(&mut self.redirecting_failed);
                keeps_failure = failed && self.state.dialect.failed_redirections_stay;
                match outcome {
                    Err(Stop::Return(status))
                        if self.state.dialect.return_fails && !pipeline.negated =>
                    {
                        self.state.status = status;
                        self.failure_counts()?;
                        return Err(Stop::Return(status));
                    }
                    Err(stop) => return Err(self.through_negation(pipeline.negated, stop)),
                    Ok(()) => {}
                }
                if let Node::Subshell(_) = command.kind
                    && self.state.dialect.lines_count_when_known
                {
                    self.state.doing.at = Some(end_of(command));
                }
                let called = self.state.doing.returned > calls;
                if !called && self.state.dialect.error_action == ErrorAction::OncePerCall {
                    self.error_told = false;
                }
                self.keep_lone_status(command, called);
                let failures = self.state.dialect.failed_redirections;
                // What is inside other compound commands has been looked at there.
                let ends = match command.kind {
                    Node::Simple(_) => true,
                    _ if failed && failures != FailedRedirections::AsCommands => {
                        failures == FailedRedirections::Count
                    }
                    Node::Subshell(_) | Node::Conditional(_) => true,
                    Node::Anonymous { .. } | Node::Always { .. } => true,
                    Node::Arithmetic(_) => self.state.dialect.arithmetic_commands_fail,
                    Node::For { select: true, .. } => self.state.dialect.select_fails,
                    _ => false,
                };
                self.spared |= !ends;
                ends
            }
            commands => {
                self.connected(commands)?;
                self.act_on_signals()?;
                if let [.., last] = commands
                    && let Node::Subshell(_) = last.kind
                    && self.state.dialect.piped_subshells_fail_twice
                {
                    self.state.doing.at = Some(end_of(last));
                    fails_twice = true;
                }
                true
            }
        };
        if pipeline.negated {
            if fails_twice && self.state.status != 0 && self.testing == 0 {
                self.act("ERR")?;
            }
            if !keeps_failure {
                self.state.status = Status::from(self.state.status == 0);
            }
            return Ok(());
        }
        let spared = self.spared && self.state.dialect.callers_spare_failures;
        let ends = ends && !spared;
        let fails = ends && self.state.status != 0 && self.testing == 0;
        if fails && acts && self.has_action("ERR") && !self.is_leaving() {
            let each = self.state.dialect.error_action == ErrorAction::Each;
            if !std::mem::replace(&mut self.error_told, true) || each {
                self.act("ERR")?;
                if fails_twice {
                    self.act("ERR")?;
                }
                let returns = [&b"TRAPZERR"[..], b"TRAPERR"]
                    .iter()
                    .any(|name| self.state.functions.contains_key(*name));
                if self.action_status != 0 && self.state.dialect.functions_are_actions && returns {
                    // A function does not hold it: it returns from all around.
                    return Err(match self.scopes.is_empty() {
                        true => Stop::Return(self.action_status),
                        false => Stop::Exit(self.action_status),
                    });
                }
            }
        }
        match (fails, &self.state.options) {
            (true, options) if options.exit_on_error => {
                self.error_exit = Some(self.scopes.len());
                Err(Stop::Exit(self.state.status))
            }
            (_, options)
                if options.return_on_error
                    && ends
                    && self.state.status != 0
                    && self.testing == self.testing_outside =>
            {
                Err(Stop::Return(self.state.status))
            }
            _ => Ok(()),
        }
    }

    /// A jump out of a negated command, whose status the shell may turn round nevertheless.
    fn through_negation(&mut self, negated: bool, stop: Stop) -> Stop {
        let jumps = self.state.dialect.negated_jumps;
        match stop {
            Stop::Break(_) | Stop::Continue(_) if negated && jumps != NegatedJumps::Kept => {
                self.state.status = Status::from(self.state.status == 0);
                stop
            }
            Stop::Return(status) if negated && jumps == NegatedJumps::Turned => {
                Stop::Return(Status::from(status == 0))
            }
            stop => stop,
        }
    }

    /// Keeps the status of a command that is a pipeline alone, where the shell does that.
    fn keep_lone_status(&mut self, command: &Command, is_function: bool) {
        let keeps = match (&command.kind, self.state.dialect.lone_statuses) {
            (Node::Conditional(_) | Node::Arithmetic(_), LoneStatuses::ButTests) => false,
            (Node::Simple(simple), LoneStatuses::ButTests) => !simple.words.is_empty(),
            (_, LoneStatuses::ButTests) | (Node::Conditional(_) | Node::Arithmetic(_), _) => true,
            (Node::Simple(_), LoneStatuses::ButFunctions) => !is_function,
            (Node::Simple(_) | Node::Subshell(_), LoneStatuses::Simple) => true,
            _ => false,
        };
        if keeps {
            self.state.doing.statuses.clear();
            self.state.doing.statuses.push(self.state.status);
        }
    }

    /// A command of a pipeline, whose output the next one reads.
    fn in_pipeline(&mut self, command: &Command, at: usize, last: bool) -> Result<(), Stop> {
        self.piped = match (at, last) {
            (0, _) => &[1],
            (_, true) => &[0],
            _ => &[0, 1],
        };
        // Parentheses around one of the commands make no second subshell.
        let is_one = matches!(command.kind, Node::Subshell(_));
        let alone = |walker: &mut Walker| {
            walker.state.doing.depth -= u32::from(is_one);
            walker.is_process = true;
            walker.command(command)
        };
        self.act_before_fork(command)?;
        if !last {
            self.subshell_is = SubshellIs::Pipeline;
            let (output, outcome) = self.captured(|walker| walker.subshell(alone));
            self.descriptors.read_from(0, Input::of(output));
            return outcome;
        }
        match self.state.dialect.last_of_pipeline_in_place || self.state.options.last_in_place {
            true => {
                let outcome = self.command(command);
                self.held(self.state.dialect.last_of_pipeline_holds, outcome)
            }
            false => self.subshell(alone),
        }
    }

    /// Several commands: each but the last prints into the input of the next, and each has the
    /// state to itself, except the last one where the shell runs it in place. One that prints for ever ends where
    /// the next one has read what it wants; if that reads all there is, the limit stops them.
    fn connected(&mut self, commands: &[Command]) -> Result<(), Stop> {
        let outer = self.descriptors.clone();
        let mut failed = 0;
        let mut statuses = Vec::with_capacity(commands.len());
        let before = self.state.status;
        for (at, command) in commands.iter().enumerate() {
            let last = at + 1 == commands.len();
            let input = self.descriptors.input(0);
            let is_lost = at > 0 && self.state.dialect.piped_begin_with_success;
            self.state.status = if is_lost { 0 } else { before };
            let outer_input = self.has_other_input;
            self.has_other_input |= at > 0;
            let outcome = self.in_pipeline(command, at, last);
            self.has_other_input = outer_input;
            let is_cut = matches!(&outcome, Err(stop) if stop.is_flood());
            let outcome = match is_cut || (outcome.is_ok() && input.overflows()) {
                false => outcome,
                true if last => Err(Stop::flood(self.state.limits.bytes, command.span)),
                true => {
                    if is_cut {
                        self.state.status = self.state.dialect.signal_status + BROKEN_PIPE;
                    }
                    let kept = self.descriptors.input(0).flooded();
                    self.descriptors.read_from(0, kept);
                    Ok(())
                }
            };
            if outcome.is_err() {
                self.descriptors.take_over(0, &outer);
                return outcome;
            }
            let is_member = !(last
                && at > 0
                && self.state.dialect.nothing_ends_no_pipeline
                && self.was_nothing(command));
            if !is_member {
                if !assigns_output(command) {
                    self.state.status = statuses.last().copied().unwrap_or_default();
                }
                break;
            }
            if self.state.status != 0 {
                failed = self.state.status;
            }
            statuses.push(self.state.status);
            if !last {
                self.beside = Some(self.state.status);
            }
        }
        self.state.doing.statuses = statuses;
        // What the last command has opened in place stays open.
        self.descriptors.take_over(0, &outer);
        if self.state.options.pipe_fail {
            self.state.status = failed;
        }
        Ok(())
    }

    /// Whether a command, which has been carried out, had neither words nor redirections.
    fn was_nothing(&self, command: &Command) -> bool {
        matches!(command.kind, Node::Simple(_))
            && command.redirects.is_empty()
            && self.latest == CommandKind::Nothing
    }

    pub(super) fn command(&mut self, command: &Command) -> Result<(), Stop> {
        let (piped, lone) = (std::mem::take(&mut self.piped), std::mem::take(&mut self.lone));
        let is_process =
            std::mem::take(&mut self.is_process) && matches!(command.kind, Node::Simple(_));
        self.step(command.span)?;
        if self.state.dialect.lines_count_when_known {
            self.state.doing.at = Some(known_at(command));
        }
        self.note_command(command);
        if !self.act_before(command)? {
            return Ok(());
        }
        let beside = self.processes.len();
        self.begin_without_argument(command, lone);
        self.is_process = is_process;
        let outcome = self.command_here(command, (piped, lone));
        self.end_beside(beside);
        outcome
    }

    fn command_here(
        &mut self,
        command: &Command,
        (piped, lone): (&'static [u32], bool),
    ) -> Result<(), Stop> {
        if let Node::Simple(simple) = &command.kind {
            let keyed = self.with_keywords(simple);
            let simple = keyed.as_ref().unwrap_or(simple);
            match self.simple((simple, lone), (&command.redirects, piped), command.span) {
                Err(Stop::Shell(error)) if error.reach == Reach::Command => self.survive(error),
                outcome => outcome?,
            }
            return self.act_on_signals();
        }
        if command.redirects.is_empty() {
            self.compound(command)?;
            return self.act_on_signals();
        }
        match &command.kind {
            Node::Subshell(list) if self.redirects_inside(&command.redirects) => {
                // The subshell takes its redirections along to its end, where its action for EXIT writes too.
                self.subshell(|walker| {
                    walker.redirected((&command.redirects, piped), true, |walker| walker.list(list))
                })?;
            }
            kind => {
                let outcome = self.redirected((&command.redirects, piped), false, |walker| {
                    walker.compound(command)
                });
                match kind {
                    Node::Subshell(_) => {
                        outcome?;
                        let status = self.state.dialect.unredirected_subshell_status;
                        if let Some(status) = status.filter(|_| self.redirecting_failed) {
                            self.state.status = status;
                        }
                    }
                    _ => self.held_by_redirections(outcome)?,
                }
            }
        }
        self.act_on_signals()
    }

    /// The end of a compound command with redirections, which holds mistakes in some shells.
    pub(super) fn held_by_redirections(&mut self, outcome: Result<(), Stop>) -> Result<(), Stop> {
        self.held(self.state.dialect.redirected_commands_hold, outcome)
    }

    /// The end of a command that holds some mistakes, so that the shell goes on behind it.
    fn held(&mut self, holds: Holds, outcome: Result<(), Stop>) -> Result<(), Stop> {
        match outcome {
            Err(Stop::Shell(error)) if holds.holds(error.is_usage) && !error.exits => {
                self.survive(error);
                Ok(())
            }
            outcome => outcome,
        }
    }

    /// Carries out a compound command with its redirections. `stay`: whether they do so behind it.
    fn redirected(
        &mut self,
        (redirects, piped): (&[Redirect], &[u32]),
        stay: bool,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let outer = std::mem::replace(&mut self.state.doing.opens_subshell, stay);
        let made = self.redirections(redirects, piped);
        self.state.doing.opens_subshell = outer;
        match made {
            Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                self.survive(error);
                self.redirecting_failed = true;
                Ok(())
            }
            // The status of a subshell that it ends is its own.
            Err(Stop::Shell(error)) if stay => {
                Err(Stop::Shell(ShellError { exits: true, ..error }))
            }
            made => {
                let outer = self.has_other_input;
                self.has_other_input |= self.redirects_input(redirects);
                let outcome = self.with_redirections(&made?, stay, run);
                self.has_other_input = outer;
                outcome
            }
        }
    }

    /// Whether a subshell makes these redirections of its own itself.
    fn redirects_inside(&self, redirects: &[Redirect]) -> bool {
        match self.state.dialect.subshells_redirect {
            SubshellsRedirect::Outside => false,
            SubshellsRedirect::Documents => {
                redirects.iter().any(|one| one.body.is_some())
                    && redirects.iter().all(|one| one.body.is_some() || !one.word.may_change())
            }
            SubshellsRedirect::Inside => true,
        }
    }
}

/// Whether a command gives a variable the output of commands, whose status is its own then.
fn assigns_output(command: &Command) -> bool {
    let Node::Simple(simple) = &command.kind else { return false };
    simple.assignments.iter().any(|assignment| match &assignment.value {
        AssignedValue::Scalar(word) => {
            word.parts.iter().any(|part| matches!(part, Part::Command(_)))
        }
        _ => true,
    })
}

/// The command that is all of a list.
pub(super) fn lone_command(and_or: &AndOr) -> Option<&Command> {
    let pipeline =
        Some(&and_or.first).filter(|one| and_or.rest.is_empty() && !one.negated && !one.timed);
    match &pipeline?.commands[..] {
        [command] => Some(command),
        _ => None,
    }
}
