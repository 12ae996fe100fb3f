//! In which order, and in which process, the redirections and assignments of a simple command are made.
//!
//! POSIX XCU 2.9.1.1 leaves the order open, and lets a program have its own made behind the fork: what such words
//! change is lost then.

use bstr::ByteSlice;

use crate::dialect::{Apart, AssignsFirst};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{AssignedValue, Assignment, Redirect, SimpleCommand};
use crate::text::Text;
use crate::trace::{CommandKind, RedirectTrace};
use crate::walk::Walker;
use crate::walk::assign::{Assigned, Lasting, Saved};
use crate::walk::descriptors::Descriptors;

/// The assignments before a command, and what went wrong then; nothing where they have not been carried out yet.
pub(super) type Made = Option<Result<Assigned, Stop>>;

impl Walker {
    /// The assignments before a command, if they are carried out before its redirections.
    pub(super) fn made_first(
        &mut self,
        command: &SimpleCommand,
        (redirects, kind): (&[Redirect], CommandKind),
        argv: &[Text],
        lasting: Lasting,
    ) -> Made {
        let first = !redirects.is_empty() && self.assigns_first(kind, argv);
        first.then(|| self.in_words(|walker| walker.assignments(&command.assignments, lasting)))
    }

    /// The assignments before a command whose redirections come first, and what these have opened if the assignments
    /// could write there.
    pub(super) fn made_behind(
        &mut self,
        command: &SimpleCommand,
        redirections: &[RedirectTrace],
        lasting: Lasting,
    ) -> Result<(Result<Assigned, Stop>, Option<Descriptors>), Stop> {
        let expands = |assignment: &Assignment| match &assignment.value {
            AssignedValue::Scalar(word) => word.fixed().is_none(),
            AssignedValue::Array(_) | AssignedValue::Members(_) => true,
        };
        let assign = |walker: &mut Walker| {
            walker.in_words(|walker| walker.assignments(&command.assignments, lasting))
        };
        if redirections.is_empty() || !command.assignments.iter().any(expands) {
            return Ok((assign(self), None));
        }
        let outer = self.descriptors.clone();
        self.redirect_all(redirections)?;
        let mut made = assign(self);
        if let Err(Stop::Shell(error)) = &mut made {
            self.tell_mistake(error);
        }
        Ok((made, Some(std::mem::replace(&mut self.descriptors, outer))))
    }

    /// For how long the assignments last before a command of such a kind that the shell carries out itself.
    pub(super) fn lasting_in_shell(&self, kind: CommandKind) -> Lasting {
        let is_utility = matches!(kind, CommandKind::Builtin | CommandKind::Special);
        match is_utility && !self.state.dialect.assignments_of_utilities_are_exported {
            true => Lasting::ForShell,
            false if kind == CommandKind::Function => Lasting::ForCall,
            false => Lasting::ForCommand,
        }
    }

    /// For how long the assignments before a command last that does not keep them.
    pub(super) fn lasting(&self, argv: &[Text], kind: CommandKind) -> Lasting {
        let apart = self.state.dialect.programs_made_apart == Apart::All;
        // What stands behind `exec` is a program, as far as this goes.
        let is_exec = matches!(argv, [first, _, ..] if first.bytes() == b"exec");
        match apart && self.kind_behind_command(argv, kind) == CommandKind::External {
            true => Lasting::InChild,
            false if is_exec => Lasting::ForCommand,
            false => self.lasting_in_shell(kind),
        }
    }

    fn assigns_first(&self, kind: CommandKind, argv: &[Text]) -> bool {
        match self.state.dialect.assigns_before_redirecting {
            AssignsFirst::Never => false,
            AssignsFirst::Always => true,
            AssignsFirst::InShell => match kind {
                CommandKind::Nothing | CommandKind::Special => true,
                CommandKind::Function => self.shares_variables(argv),
                CommandKind::Builtin | CommandKind::External => false,
            },
        }
    }

    /// The redirections behind what has been made of the command. They do not see the variables that count for it
    /// alone.
    pub(super) fn redirections_behind(
        &mut self,
        made: &mut Made,
        (redirects, piped): (&[Redirect], &[u32]),
        apart: bool,
    ) -> Result<Vec<RedirectTrace>, Stop> {
        let mut none = Saved::new();
        let saved = match made {
            // The command is not carried out.
            Some(Err(_)) => return Ok(Vec::new()),
            Some(Ok((_, saved))) => saved,
            None => &mut none,
        };
        if saved.is_empty() && !apart {
            return self.redirections(redirects, piped);
        }
        let own = self.exchange(std::mem::take(saved));
        let snapshot = apart.then(|| self.state.snapshot());
        let redirected = self.redirections(redirects, piped);
        if let Some(snapshot) = snapshot {
            self.state.come_back(snapshot);
        }
        *saved = self.exchange(own);
        redirected
    }

    /// Gives variables the values that were put aside, and answers what they were.
    fn exchange(&mut self, values: Saved) -> Saved {
        let exchanged = values.into_iter().rev().map(|(name, value)| {
            let before = self.state.variables.itself(&name).cloned();
            self.state.variables.restore(&name, value);
            self.state.follow_variable(&name);
            (name, before)
        });
        exchanged.collect()
    }

    /// What of a command is made in a process of its own, as far as that could change anything.
    pub(super) fn apart(
        &self,
        command: &SimpleCommand,
        redirects: &[Redirect],
        (argv, kind): (&[Text], CommandKind),
    ) -> Apart {
        let apart = self.state.dialect.programs_made_apart;
        let assigns = || {
            command.assignments.iter().any(|assignment| match &assignment.value {
                AssignedValue::Scalar(word) => word.may_change(),
                AssignedValue::Array(_) | AssignedValue::Members(_) => true,
            })
        };
        let changes = match apart {
            Apart::Nothing => false,
            Apart::Redirections => redirects.iter().any(redirect_may_change),
            Apart::All => redirects.iter().any(redirect_may_change) || assigns(),
        };
        if !changes {
            return Apart::Nothing;
        }
        let is_lone = argv.is_empty() && command.assignments.is_empty();
        let runs = is_lone && self.state.dialect.lone_redirection_runs;
        match runs || self.kind_behind_command(argv, kind) == CommandKind::External {
            true => apart,
            false => Apart::Nothing,
        }
    }

    /// The kind of a command behind `command`, which makes it a program in some shells, unless it only asks what
    /// there is. A name behind `builtin` that is no built-in utility counts as one too.
    pub(super) fn kind_behind_command(&self, argv: &[Text], kind: CommandKind) -> CommandKind {
        let [first, rest @ ..] = argv else { return kind };
        let [next, ..] = rest else { return kind };
        let for_programs = self.state.dialect.command_is_for_programs;
        let asks = || next.bytes().starts_with(b"-") && next.bytes().find_byteset(b"vV").is_some();
        match first.bytes() {
            _ if kind == CommandKind::Function => kind,
            b"command" if for_programs && !asks() => CommandKind::External,
            b"command" if !next.bytes().starts_with(b"-") && !for_programs => self.kind(rest),
            b"builtin" if for_programs && self.state.utility(next.bytes()).is_none() => {
                CommandKind::External
            }
            _ => kind,
        }
    }

    /// How far a mistake in a redirection of a command reaches.
    pub(super) fn redirecting_failed(&self, stop: Stop, kind: CommandKind) -> Stop {
        let dialect = &self.state.dialect;
        match (stop, kind) {
            (Stop::Shell(error), CommandKind::External) if dialect.programs_expand_redirections => {
                Stop::Shell(ShellError { reach: Reach::Command, ..error })
            }
            (Stop::Shell(error), CommandKind::Special)
                if dialect.special_redirection_failure_is_fatal =>
            {
                Stop::Shell(ShellError { reach: Reach::Shell, is_usage: true, ..error })
            }
            (stop, _) => stop,
        }
    }

    /// How far a mistake in an assignment before a command reaches, or in one without a command.
    pub(super) fn assigning_failed(&self, stop: Stop, kind: CommandKind, alone: bool) -> Stop {
        let dialect = &self.state.dialect;
        match stop {
            Stop::Shell(error) if alone => self.farther(error, &[]),
            Stop::Shell(error)
                if dialect.assignment_mistakes_end_command
                    && matches!(kind, CommandKind::Builtin | CommandKind::External) =>
            {
                Stop::Shell(ShellError { reach: Reach::Command, status: 1, ..error })
            }
            // The shell's child has given up, where it is a child that makes them.
            Stop::Shell(error)
                if dialect.unmatched_ends == Reach::Command && kind == CommandKind::External =>
            {
                Stop::Shell(ShellError { reach: Reach::Command, ..error })
            }
            stop => stop,
        }
    }

    /// Whether the files of redirections are open when the assignments before such a command are carried out.
    pub(super) fn opens_before_assigning(&self, kind: CommandKind) -> bool {
        let dialect = &self.state.dialect;
        match kind {
            CommandKind::External => {
                dialect.programs_made_apart == Apart::All
                    || dialect.assigns_before_redirecting == AssignsFirst::InShell
            }
            CommandKind::Builtin => dialect.assigns_before_redirecting == AssignsFirst::InShell,
            _ => false,
        }
    }
}

/// Whether the expansion of what a redirection holds could change a variable.
fn redirect_may_change(redirect: &Redirect) -> bool {
    let body = redirect.body.as_ref().and_then(|body| body.get());
    body.unwrap_or(&redirect.word).may_change()
}
