//! Lists, and commands with their redirections.

use crate::dialect::{EmptyBodies, Holds, SubshellsRedirect};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{AndOr, Command, CommandKind as Node, Connector, List, Redirect};
use crate::walk::Walker;
use crate::walk::known_line::known_at;

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
        let only_last = self.state.dialect.last_pipeline_goes_behind && !and_or.rest.is_empty();
        match and_or.background && !only_last {
            true if and_or.is_coprocess => {
                let list = AndOr { is_coprocess: false, ..and_or.clone() };
                self.start_coprocess(None, list)
            }
            true => self.in_background(and_or),
            false => self.and_or_here(and_or),
        }
    }

    /// Carries out a list here, but for its last pipeline where that alone goes into the background.
    pub(super) fn and_or_here(&mut self, and_or: &AndOr) -> Result<(), Stop> {
        self.spared = false;
        self.act_before_list(and_or)?;
        let goes_behind = and_or.background && self.state.dialect.last_pipeline_goes_behind;
        let (last, rest) = (and_or.rest.len(), &and_or.rest);
        self.pipeline_of(&and_or.first, last > 0)?;
        for (at, (connector, pipeline)) in rest.iter().enumerate() {
            self.state.assumed_status |= self.status_is_guessed();
            let goes_on = (self.state.status == 0) == (*connector == Connector::And);
            let is_last = at + 1 == last;
            match (goes_on, is_last && goes_behind) {
                (false, _) => {}
                (true, true) => self.in_background(&AndOr {
                    first: pipeline.clone(),
                    rest: Vec::new(),
                    background: true,
                    is_coprocess: and_or.is_coprocess,
                    span: pipeline.span,
                })?,
                (true, false) => self.pipeline_of(pipeline, !is_last)?,
            }
        }
        Ok(())
    }

    pub(super) fn command(&mut self, command: &Command) -> Result<(), Stop> {
        let (piped, lone) = (std::mem::take(&mut self.piped), std::mem::take(&mut self.lone));
        let is_simple = matches!(command.kind, Node::Simple(_));
        let is_process = std::mem::take(&mut self.is_process) && is_simple;
        let timed = std::mem::take(&mut self.timed) && is_simple;
        let before = self.state.doing.at;
        self.step(command.span)?;
        let has_line = is_simple || matches!(command.kind, Node::Arithmetic(_));
        if !has_line && self.state.dialect.only_simple_commands_have_lines {
            self.state.doing.at = before;
        } else {
            let rule = self.state.dialect.lines_of_commands;
            self.state.doing.at = Some(known_at(command, rule));
        }
        self.note_command(command);
        if !self.act_before(command)? {
            return Ok(());
        }
        let beside = self.processes.len();
        self.begin_without_argument(command, lone);
        (self.is_process, self.timed) = (is_process, timed);
        let outcome = self.command_here(command, (piped, lone));
        if !matches!(outcome, Err(Stop::Waits | Stop::Enough)) {
            self.end_beside(beside)?;
        }
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
    pub(super) fn held(&mut self, holds: Holds, outcome: Result<(), Stop>) -> Result<(), Stop> {
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
