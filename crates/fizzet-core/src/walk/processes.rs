//! Process substitutions: `<(list)` and `>(list)`.
//!
//! Their commands run beside the command whose word they stand in. They are carried out when the word is
//! expanded; what `<(list)` prints is there for whoever reads from it, and the name that stands for it is
//! a hole, since only the running system hands it out.

use crate::stop::Stop;
use crate::syntax::ast::{Part, ProcessSubstitution, Redirect, RedirectOperator};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::descriptors::Input;

impl Walker {
    /// Carries the commands of a process substitution out, and keeps what they print.
    pub(super) fn process_beside(&mut self, process: &ProcessSubstitution) -> Result<(), Stop> {
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("substitutions inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span: process.span });
        }
        self.depth += 1;
        let (status, word) = (self.state.status, self.word.take());
        let outer = self.descriptors.clone();
        if process.output {
            self.descriptors.read_from(0, Input::unknown());
        }
        let run = |walker: &mut Walker| walker.subshell(|walker| walker.list(&process.list));
        let (output, outcome) = match process.output {
            true => (Text::new(), run(self)),
            false => self.captured(run),
        };
        self.descriptors = outer;
        self.word = word;
        self.depth -= 1;
        self.state.status = status;
        outcome?;
        if !process.output {
            self.processes.insert(process.span, output);
        }
        Ok(())
    }

    /// What a redirection reads from, if its word is a process substitution and nothing else.
    pub(super) fn process_of(redirect: &Redirect) -> Option<&ProcessSubstitution> {
        match &redirect.word.parts[..] {
            [Part::Process(process)]
                if redirect.operator == RedirectOperator::Input && !process.output =>
            {
                Some(process)
            }
            _ => None,
        }
    }

    /// What the process printed that this text stands for, if it stands for one.
    pub(super) fn printed_beside(&mut self, name: &Text) -> Option<Text> {
        let (run, _) = name.runs().next().filter(|(run, _)| run.hole)?;
        self.processes.remove(&run.origin.span())
    }
}
