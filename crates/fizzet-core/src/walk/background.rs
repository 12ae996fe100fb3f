//! Lists in the background, and what they read (POSIX XCU 2.9.3.1, Asynchronous Lists).

use crate::dialect::BackgroundInput;
use crate::stop::Stop;
use crate::syntax::ast::{
    AndOr, Command, CommandKind as Node, Pipeline, Redirect, RedirectOperator as Operator,
    RedirectTarget,
};
use crate::text::Text;
use crate::trace::RedirectTrace;
use crate::walk::Walker;
use crate::walk::descriptors::Input;

impl Walker {
    /// Carries out a list in a process of its own, and goes on at once.
    pub(super) fn in_background(&mut self, and_or: &AndOr) -> Result<(), Stop> {
        if let Some(command) = lone_command(and_or, true) {
            self.act_before_fork(command)?;
        }
        let input = self.background_input(and_or);
        self.as_process(and_or, input)?;
        let number = self.hole_name();
        self.state.jobs.start(number, self.state.status);
        self.beside = Some(self.state.status);
        self.state.status = 0;
        Ok(())
    }

    /// Carries out a list as a process of its own does.
    pub(super) fn as_process(&mut self, and_or: &AndOr, input: Option<Input>) -> Result<(), Stop> {
        let drops = and_or.first.negated
            && and_or.rest.is_empty()
            && self.state.dialect.background_is_not_negated;
        let lone = lone_command(and_or, drops);
        let is_one = lone.is_some_and(|one| matches!(one.kind, Node::Subshell(_)));
        self.subshell(|walker| {
            walker.state.doing.depth -= u32::from(is_one);
            if let Some(input) = input {
                walker.descriptors.read_from(0, input);
            }
            match lone {
                Some(command) => {
                    // The process is the command: its status is looked at where it is waited for.
                    walker.act_before_list(and_or)?;
                    match drops {
                        true => walker.tested(|walker| walker.as_whole_process(command)),
                        false => walker.as_whole_process(command),
                    }
                }
                None if drops => {
                    let plain = Pipeline { negated: false, ..and_or.first.clone() };
                    walker.tested(|walker| walker.pipeline_of(&plain, false))
                }
                None => walker.and_or_here(and_or),
            }
        })
    }

    /// What a list in the background reads instead of what the shell reads.
    pub(super) fn background_input(&self, and_or: &AndOr) -> Option<Input> {
        let nothing = Input::of(Text::new());
        let has_jobs = || self.state.option_is_on(b"monitor") == Some(true);
        let is_own = || !self.has_other_input && !has_jobs();
        match self.state.dialect.background_input {
            BackgroundInput::Kept => None,
            BackgroundInput::Nothing => Some(nothing),
            BackgroundInput::NothingWithoutJobs => (!has_jobs()).then_some(nothing),
            BackgroundInput::EmptyLinesOfShell => is_own().then(|| nothing.ending_in_lines()),
            BackgroundInput::NothingOfShell => {
                let is_pipeline = and_or.rest.is_empty() && and_or.first.commands.len() > 1;
                let redirects = || {
                    lone_command(and_or, false)
                        .is_some_and(|one| self.redirects_input(&one.redirects))
                };
                (is_own() && !is_pipeline && !redirects()).then_some(nothing)
            }
        }
    }

    /// Notes that the redirections of a simple command give what it carries out another input than the shell's
    /// own, where they count for that; answers what was so before.
    pub(super) fn note_input(&mut self, redirections: &[RedirectTrace]) -> bool {
        let counts = self.state.dialect.background_input == BackgroundInput::EmptyLinesOfShell;
        let reads = counts && redirections.iter().any(|one| one.descriptor == 0);
        let before = self.has_other_input;
        self.has_other_input |= reads;
        before
    }

    /// Whether redirections give a command another input than the shell's own: where what they open to read counts,
    /// whichever the descriptor, or only what they make of the standard input.
    pub(super) fn redirects_input(&self, redirects: &[Redirect]) -> bool {
        let any = self.state.dialect.background_input == BackgroundInput::NothingOfShell;
        let is_input = |redirect: &Redirect, alone: bool| match redirect.target {
            None => alone,
            Some(RedirectTarget::Descriptor(number)) => number == 0,
            Some(RedirectTarget::Variable(_)) => false,
        };
        redirects.iter().any(|redirect| match redirect.operator {
            Operator::Input
            | Operator::ReadWrite
            | Operator::HereDocument
            | Operator::HereDocumentTabs
            | Operator::HereString => any || is_input(redirect, true),
            Operator::DuplicateInput => is_input(redirect, true),
            _ => is_input(redirect, false),
        })
    }
}

/// The command that is all of a list; `negated`: `!` may stand before it.
fn lone_command(and_or: &AndOr, negated: bool) -> Option<&Command> {
    let first = &and_or.first;
    let is_alone = and_or.rest.is_empty() && !first.timed && (negated || !first.negated);
    match &first.commands[..] {
        [command] if is_alone => Some(command),
        _ => None,
    }
}
