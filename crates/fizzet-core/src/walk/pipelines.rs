//! Pipelines, and what comes of their status: `!`, ERR and `set -e` (POSIX XCU 2.9.2 and 2.8.1).

use crate::dialect::{
    ErrorAction, FailedRedirections, LinesOfCommands, LoneStatuses, NegatedJumps,
};
use crate::stop::{Status, Stop};
use crate::syntax::ast::{Argument, AssignedValue, Command, CommandKind as Node, Part, Pipeline};
use crate::trace::CommandKind;
use crate::walk::Walker;
use crate::walk::builtins::SubshellIs;
use crate::walk::descriptors::Input;
use crate::walk::known_line::end_of;

/// SIGPIPE.
const BROKEN_PIPE: Status = 13;

/// What there is to know of a pipeline that has ended, besides its status.
#[derive(Clone, Copy, Default)]
struct Ended {
    /// Whether its failure counts.
    counts: bool,
    /// Whether ERR is carried out twice.
    twice: bool,
    /// Whether `!` does not turn its failure round.
    keeps_failure: bool,
    /// Whether the failures of what follows in the list do not count.
    spares_rest: bool,
}

impl Walker {
    /// A pipeline of an and-or list; of all but the last the status is only asked for.
    pub(super) fn pipeline_of(&mut self, pipeline: &Pipeline, asked: bool) -> Result<(), Stop> {
        // Where a text does not know who asks, the option does not count in it.
        let under_option = self.state.options.exit_on_error && self.testing_of_text == 0;
        let turns =
            pipeline.negated && (under_option || !self.state.dialect.negation_asks_under_option);
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
    pub(super) fn status_is_guessed(&self) -> bool {
        self.guessed && self.latest == CommandKind::External
    }

    fn pipeline(&mut self, pipeline: &Pipeline) -> Result<(), Stop> {
        let early = self.state.dialect.error_action_is_early;
        let acts = !early || self.has_action("ERR");
        let ended = match &pipeline.commands[..] {
            [] => {
                self.state.status = 0;
                Ended::default()
            }
            [command] => {
                self.lone = !(pipeline.negated || pipeline.timed);
                self.timed = pipeline.timed && self.state.dialect.timed_commands_have_options;
                self.one(command, pipeline.negated)?
            }
            commands => self.several(commands)?,
        };
        if pipeline.negated {
            if ended.twice && self.state.status != 0 && self.testing == 0 {
                self.act("ERR")?;
            }
            if !ended.keeps_failure {
                self.state.status = Status::from(self.state.status == 0);
            }
            return Ok(());
        }
        self.look_at(ended, acts)
    }

    /// The body of a function that is not a list in braces: its failure counts inside the function.
    pub(super) fn body_alone(&mut self, body: &Command) -> Result<(), Stop> {
        let ended = self.one(body, false)?;
        self.look_at(ended, true)
    }

    /// A command that is a pipeline alone.
    fn one(&mut self, command: &Command, negated: bool) -> Result<Ended, Stop> {
        self.error_told = false;
        let calls = self.state.doing.returned;
        self.redirecting_failed = false;
        let outcome = self.command(command);
        let failed = std::mem::take(&mut self.redirecting_failed);
        match outcome {
            Err(Stop::Return(status)) if self.state.dialect.return_fails && !negated => {
                self.state.status = status;
                self.failure_counts()?;
                return Err(Stop::Return(status));
            }
            Err(stop) => return Err(self.through_negation(negated, stop)),
            Ok(()) => {}
        }
        if let Node::Subshell(_) = command.kind
            && self.state.dialect.lines_of_commands == LinesOfCommands::BehindSecondToken
        {
            self.state.doing.at = Some(end_of(command));
        }
        let called = self.state.doing.returned > calls;
        let holds_others = !matches!(command.kind, Node::Simple(_) | Node::Subshell(_));
        if !(called || holds_others) && self.state.dialect.error_action == ErrorAction::OncePerCall
        {
            self.error_told = false;
        }
        self.keep_lone_status(command, called);
        let is_spared = std::mem::take(&mut self.call_is_spared);
        let counts = self.counts(command, failed) && !is_spared;
        self.spared |= !counts;
        let keeps_failure = failed && self.state.dialect.failed_redirections_stay;
        Ok(Ended { counts, keeps_failure, ..Ended::default() })
    }

    /// Whether the failure of a command that is a pipeline alone counts: what is inside other compound commands has
    /// been looked at there. `failed`: that its redirections could not be made.
    fn counts(&self, command: &Command, failed: bool) -> bool {
        let dialect = &self.state.dialect;
        let failures = dialect.failed_redirections;
        match command.kind {
            Node::Simple(_) => true,
            _ if failed && failures != FailedRedirections::AsCommands => {
                failures == FailedRedirections::Count
            }
            Node::Subshell(_) | Node::Conditional(_) => true,
            Node::Anonymous { .. } | Node::Always { .. } => true,
            Node::Arithmetic(_) => dialect.arithmetic_commands_fail,
            Node::For { select: true, .. } => dialect.select_fails,
            _ => false,
        }
    }

    /// Commands with bars between them.
    fn several(&mut self, commands: &[Command]) -> Result<Ended, Stop> {
        self.connected(commands)?;
        self.act_on_signals()?;
        let mut ended = Ended { counts: true, ..Ended::default() };
        let Some(last) = commands.last() else { return Ok(ended) };
        if let Node::Subshell(_) = last.kind
            && self.state.dialect.piped_subshells_fail_twice
        {
            self.state.doing.at = Some(end_of(last));
            ended.twice = true;
        }
        ended.spares_rest = self.state.dialect.callers_spare_failures && !self.counts(last, false);
        Ok(ended)
    }

    /// Looks at the status of a pipeline: whether ERR is carried out, and whether it ends the shell or the function.
    /// `acts`: whether ERR may have been set early enough.
    fn look_at(&mut self, ended: Ended, acts: bool) -> Result<(), Stop> {
        let spared = self.spared && self.state.dialect.callers_spare_failures;
        self.spared |= ended.spares_rest;
        let failed = ended.counts && !spared && self.state.status != 0;
        let is_asked = self.testing > self.testing_of_text;
        if failed && !is_asked && acts && self.has_action("ERR") && !self.is_leaving() {
            let each = self.state.dialect.error_action == ErrorAction::Each;
            if !std::mem::replace(&mut self.error_told, true) || each {
                self.act_on_error(ended.twice)?;
            }
        }
        let options = &self.state.options;
        if failed && self.testing == 0 && options.exit_on_error {
            self.error_exit = Some(self.scopes.len());
            return Err(Stop::Exit(self.state.status));
        }
        let returns = options.return_on_error && self.testing == self.testing_outside;
        match failed && returns {
            true => Err(Stop::Return(self.state.status)),
            false => Ok(()),
        }
    }

    /// Carries out the action for ERR, which may return from all around it.
    fn act_on_error(&mut self, twice: bool) -> Result<(), Stop> {
        self.act("ERR")?;
        if twice {
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
        Ok(())
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

    /// A command that is all of a process.
    pub(super) fn as_whole_process(&mut self, command: &Command) -> Result<(), Stop> {
        self.is_process = true;
        self.error_told = false;
        let calls = self.state.doing.returned;
        self.command(command)?;
        match self.state.dialect.returns_of_processes_fail && self.state.doing.returned > calls {
            true => self.look_at(Ended { counts: true, ..Ended::default() }, true),
            false => Ok(()),
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
            walker.as_whole_process(command)
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

    /// Whether a command, which has been carried out, had neither words nor redirections, or was `exec` alone.
    fn was_nothing(&self, command: &Command) -> bool {
        let Node::Simple(simple) = &command.kind else { return false };
        let is_exec = |word: &Argument| match word {
            Argument::Word(word) => word.literal() == Some(b"exec"),
            Argument::Assignment(_) => false,
        };
        let is_nothing = self.latest == CommandKind::Nothing
            || matches!(&simple.words[..], [one] if is_exec(one));
        is_nothing && command.redirects.is_empty()
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
