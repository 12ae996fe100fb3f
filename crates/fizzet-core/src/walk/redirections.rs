//! Redirections: what they expand to, and what is read from meanwhile.

use crate::expand;
use crate::lineage::{Origin, Rule};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{Redirect, RedirectOperator, RedirectTarget};
use crate::text::{Standing, Text};
use crate::trace::RedirectTrace;
use crate::walk::Walker;
use crate::walk::descriptors::Input;

impl Walker {
    /// Runs something with its input and output redirected; `stays`: what is opened for it to read from
    /// stays open, as behind `exec`.
    pub(super) fn with_redirections(
        &mut self,
        redirections: &[RedirectTrace],
        stays: bool,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        if redirections.is_empty() {
            return run(self);
        }
        let outer = (!stays).then(|| self.descriptors.clone());
        let mut away = false;
        for redirection in redirections {
            match redirection.operator {
                "<<" | "<<-" => {
                    let input = Input::of(redirection.target.clone());
                    self.descriptors.open(redirection.descriptor, input);
                }
                "<<<" => {
                    let mut text = redirection.target.clone();
                    let origin = Origin::new(Rule::Output, redirection.span);
                    text.push(b"\n", Standing::Quoted, &origin);
                    self.descriptors.open(redirection.descriptor, Input::of(text));
                }
                "<" | "<>" => {
                    let limit = self.state.limits.bytes;
                    let path = redirection.target.bytes();
                    let bytes = expand::Context::host(self).read(path, limit);
                    let origin = Origin::new(Rule::Output, redirection.span);
                    let text = |bytes| Text::from_bytes(bytes, Standing::Quoted, origin);
                    let input =
                        bytes.map_or_else(Input::unknown, |bytes: Vec<u8>| Input::of(text(bytes)));
                    self.descriptors.open(redirection.descriptor, input);
                }
                "<&" => self.duplicate(redirection),
                ">" | ">>" | ">|" | "&>" | "&>>" => away |= redirection.standard_output,
                _ => away |= redirection.standard_output && redirection.target.bytes() != b"1",
            }
        }
        let outcome = match away {
            true => self.captured(run).1,
            false => run(self),
        };
        if let Some(outer) = outer {
            self.descriptors = outer;
        }
        outcome
    }

    /// `<&N` and `<&-`
    fn duplicate(&mut self, redirection: &RedirectTrace) {
        let number = std::str::from_utf8(redirection.target.bytes());
        match number.ok().and_then(|number| number.parse().ok()) {
            Some(from) => {
                let input = self.descriptors.get(from);
                self.descriptors.open(redirection.descriptor, input);
            }
            None => self.descriptors.close(redirection.descriptor),
        }
    }

    /// Expands redirections, in order.
    pub(super) fn redirections(
        &mut self,
        redirects: &[Redirect],
    ) -> Result<Vec<RedirectTrace>, Stop> {
        let mut traces = Vec::with_capacity(redirects.len());
        for redirect in redirects {
            let body = redirect.body.as_ref().and_then(|body| body.get());
            let expanded = match body {
                Some(body) => expand::document(self, body),
                None => {
                    let string = redirect.operator == RedirectOperator::HereString;
                    let plain = string && !self.state.dialect.here_string_tilde;
                    let tilde = if plain { expand::Tilde::Never } else { expand::Tilde::AtStart };
                    expand::single(self, &redirect.word, tilde)
                }
            };
            let target = expanded.map_err(|stop| self.redirection_mistake(stop, redirect))?;
            let operator = operator_text(redirect.operator);
            let reads = matches!(operator, "<" | "<<" | "<<-" | "<<<" | "<&" | "<>");
            let descriptor = match &redirect.target {
                None => u32::from(!reads),
                Some(RedirectTarget::Descriptor(number)) => *number,
                Some(RedirectTarget::Variable(_)) => 10,
            };
            let standard_output = descriptor == 1;
            let span = redirect.span;
            traces.push(RedirectTrace { operator, target, span, descriptor, standard_output });
            if operator == ">&"
                && let Some(reach) = self.state.dialect.duplicate_to_file_ends
                && let Some(target) = traces.last().map(|trace| &trace.target)
                && !target.has_hole()
                && !target.bytes().iter().all(|byte| byte.is_ascii_digit() || *byte == b'-')
            {
                let message = "a descriptor was expected behind >&";
                let status = self.state.dialect.redirection_failure_status;
                return Err(Stop::error(message, span, status, reach));
            }
            let exists = |path: &[u8]| expand::Context::host(self).exists(path);
            let target = traces.last().map_or(&b""[..], |trace| trace.target.bytes());
            if operator == "<" && !exists(target) && !traces.iter().any(|one| one.target.has_hole())
            {
                let shown = String::from_utf8_lossy(target).into_owned();
                let message = format!("there is no file {shown} to read from");
                let status = self.state.dialect.redirection_failure_status;
                return Err(Stop::error(message, span, status, Reach::Command));
            }
        }
        Ok(traces)
    }

    /// How far a mistake in the word or the document of a redirection reaches.
    fn redirection_mistake(&self, stop: Stop, redirect: &Redirect) -> Stop {
        let Stop::Shell(error) = stop else { return stop };
        let dialect = &self.state.dialect;
        let document = redirect.body.is_some();
        let string = redirect.operator == RedirectOperator::HereString;
        let survives = match () {
            () if document => dialect.document_mistake_status,
            () if string => dialect.string_mistakes_end_command.then_some(1),
            () => dialect.redirection_mistakes_end_command.then_some(1),
        };
        Stop::Shell(match survives {
            Some(status) => ShellError { reach: Reach::Command, status, ..error },
            None => error,
        })
    }
}

fn operator_text(operator: RedirectOperator) -> &'static str {
    match operator {
        RedirectOperator::Input => "<",
        RedirectOperator::Output => ">",
        RedirectOperator::Clobber => ">|",
        RedirectOperator::Append => ">>",
        RedirectOperator::ReadWrite => "<>",
        RedirectOperator::DuplicateInput => "<&",
        RedirectOperator::DuplicateOutput => ">&",
        RedirectOperator::Both => "&>",
        RedirectOperator::BothAppend => "&>>",
        RedirectOperator::HereDocument => "<<",
        RedirectOperator::HereDocumentTabs => "<<-",
        RedirectOperator::HereString => "<<<",
    }
}
