//! What commands write, and the messages of mistakes.

use std::cell::RefCell;
use std::rc::Rc;

use crate::expand::Context;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::text::{HoleName, Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins;
use crate::walk::descriptors::Output;

impl Walker {
    /// Writes to standard output; false if that is not possible.
    pub(in crate::walk) fn write(&mut self, text: Text) -> bool {
        self.write_to(1, text)
    }

    /// Writes to a descriptor; false if that is not possible.
    pub(in crate::walk) fn write_to(&mut self, descriptor: u32, text: Text) -> bool {
        let done = match self.descriptors.output(descriptor).cloned() {
            None => self.state.dialect.closed_output_is_silent,
            Some(output) => self.write_into(&output, text),
        };
        self.lost_output |= !done;
        done
    }

    fn write_into(&mut self, output: &Output, text: Text) -> bool {
        match output {
            Output::All(all) => {
                let done = all.iter().filter(|one| self.write_into(one, text.clone())).count();
                return done == all.len();
            }
            Output::Kept(kept) => {
                let mut kept = kept.borrow_mut();
                kept.push_text(&text);
                self.flooded |= kept.len() > self.state.limits.bytes;
            }
            Output::Written(file) => {
                let mut file = file.borrow_mut();
                if file.len() + text.len() > self.state.limits.bytes {
                    // What is in so large a file nobody knows any more.
                    *file = Text::new();
                    let span = self.state.shell_origin().span();
                    file.push_hole(Standing::Quoted, &Origin::new(Rule::Output, span));
                }
                file.push_text(&text);
            }
            Output::Resumed(one) => {
                return one.progress.is_done() || self.write_into(&one.inner, text);
            }
            Output::Performed(sink) => return sink.write(text.bytes()),
            Output::Shown if self.wants.output => {
                // One that has had enough says so at the next command.
                let _ = self.observer.borrow_mut().output(self.moment(), &text);
            }
            Output::Full => return text.is_empty(),
            Output::Shown | Output::Messages | Output::Nowhere => {}
        }
        true
    }

    /// A name for what a program prints.
    pub(in crate::walk) fn hole_name(&mut self) -> Option<HoleName> {
        self.latest_hole = self.latest_hole.and_then(HoleName::next);
        self.latest_hole
    }

    /// Marks that output which is not known goes where somebody reads it.
    pub(in crate::walk) fn write_hole(&mut self, span: Span) {
        match self.descriptors.output(1) {
            None | Some(Output::Full) => self.lost_output = true,
            Some(output) => {
                output.push_hole(None, &Origin::new(Rule::Output, span));
            }
        }
    }

    /// Marks that a message which nobody can word goes where somebody reads it: `$(cd nosuch 2>&1)`.
    pub(in crate::walk) fn message_hole(&mut self, span: Span) {
        let origin = Origin::new(Rule::Output, span);
        if self.descriptors.output(2).is_some_and(|output| output.push_hole(None, &origin)) {
            self.missing("how the shell words its message", span);
        }
    }

    /// Writes the message of a mistake to where messages go now, unless that has been done.
    pub(in crate::walk) fn tell_mistake(&mut self, error: &mut ShellError) {
        if !std::mem::replace(&mut error.is_told, true) {
            self.message_hole(error.span);
        }
    }

    /// Runs commands and keeps what they print.
    pub(in crate::walk) fn captured(
        &mut self,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> (Text, Result<(), Stop>) {
        let kept = Rc::new(RefCell::new(Text::new()));
        let outer = self.descriptors.clone();
        self.descriptors.write_to(1, Output::Kept(kept.clone()));
        let outcome = run(self);
        self.descriptors.take_over(1, &outer);
        self.flooded = false;
        let text = std::mem::take(&mut *kept.borrow_mut());
        (text, outcome)
    }

    /// A mistake in the use of a built-in utility: it ends the shell, or has the status 1.
    pub(in crate::walk) fn usage(
        &mut self,
        call: &builtins::Call<'_>,
        wrong: &str,
    ) -> Result<Status, Stop> {
        if !self.state.dialect.wrong_numbers_are_fatal {
            return Ok(self.complain(call, 1));
        }
        Err(self.fatal(call, wrong))
    }

    /// A mistake that ends the shell.
    pub(in crate::walk) fn fatal(&mut self, call: &builtins::Call<'_>, wrong: &str) -> Stop {
        self.fatal_with(call, wrong, self.state.dialect.usage_status)
    }

    /// An option that is not known ends the shell.
    pub(in crate::walk) fn fatal_option(&mut self, call: &builtins::Call<'_>) -> Stop {
        let status = self.state.dialect.unknown_option_status;
        self.fatal_with(call, "an option is not known", status)
    }

    /// The use of a utility is told, and ends the shell.
    pub(in crate::walk) fn fatal_use(&mut self, call: &builtins::Call<'_>, wrong: &str) -> Stop {
        self.fatal_with(call, wrong, self.state.dialect.option_usage_status)
    }

    /// The same with a status of its own.
    pub(in crate::walk) fn fatal_with(
        &mut self,
        call: &builtins::Call<'_>,
        wrong: &str,
        status: Status,
    ) -> Stop {
        let name = call.argv.first().map_or(&b""[..], |name| name.bytes());
        let message = format!("{}: {wrong}", String::from_utf8_lossy(name));
        let error = ShellError::new(message, call.span, status, Reach::Shell);
        Stop::Shell(ShellError { is_usage: true, ..error })
    }
}
