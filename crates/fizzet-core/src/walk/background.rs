//! What commands in the background read (POSIX XCU 2.9.3.1, Asynchronous Lists).

use crate::dialect::BackgroundInput;
use crate::syntax::ast::{AndOr, Redirect, RedirectOperator as Operator, RedirectTarget};
use crate::text::Text;
use crate::trace::RedirectTrace;
use crate::walk::Walker;
use crate::walk::descriptors::Input;
use crate::walk::statements::lone_command;

impl Walker {
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
                let redirects =
                    || lone_command(and_or).is_some_and(|one| self.redirects_input(&one.redirects));
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
