//! Lists, pipelines and simple commands.

use crate::expand::{self, Context};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::{
    AndOr, Argument, Command, CommandKind as Node, Connector, List, Pipeline, Redirect,
    RedirectOperator, SimpleCommand, Word,
};
use crate::text::Text;
use crate::trace::{CommandKind, CommandTrace, RedirectTrace, WordTrace};
use crate::walk::Walker;

impl Walker {
    pub(super) fn list(&mut self, list: &List) -> Result<(), Stop> {
        list.items.iter().try_for_each(|and_or| self.and_or(and_or))
    }

    fn and_or(&mut self, and_or: &AndOr) -> Result<(), Stop> {
        self.pipeline(&and_or.first)?;
        for (connector, pipeline) in &and_or.rest {
            self.state.assumed_status |= self.latest_is_external();
            let goes_on = (self.state.status == 0) == (*connector == Connector::And);
            if goes_on {
                self.pipeline(pipeline)?;
            }
        }
        Ok(())
    }

    /// Whether the status on hand is that of a program, which was not run.
    fn latest_is_external(&self) -> bool {
        self.commands.last().is_some_and(|command| command.kind == CommandKind::External)
    }

    fn pipeline(&mut self, pipeline: &Pipeline) -> Result<(), Stop> {
        match &pipeline.commands[..] {
            [] => self.state.status = 0,
            [command] => self.command(command)?,
            commands => commands.iter().try_for_each(|command| self.in_subshell(command))?,
        }
        if pipeline.negated {
            self.state.status = u8::from(self.state.status == 0);
        }
        Ok(())
    }

    /// Each command of a pipeline has the state to itself.
    fn in_subshell(&mut self, command: &Command) -> Result<(), Stop> {
        let (variables, positional) = (self.state.variables.clone(), self.state.positional.share());
        let outcome = self.command(command);
        self.state.variables = variables;
        self.state.positional = positional;
        outcome
    }

    fn command(&mut self, command: &Command) -> Result<(), Stop> {
        self.step(command.span)?;
        match &command.kind {
            Node::Simple(simple) => self.simple(simple, &command.redirects, command.span),
            Node::Group(list) => self.list(list),
            _ => {
                self.missing("what this compound command does", command.span);
                Ok(())
            }
        }
    }

    /// A simple command (POSIX XCU 2.9.1.1): words, then redirections, then assignments.
    fn simple(
        &mut self,
        command: &SimpleCommand,
        redirects: &[Redirect],
        span: Span,
    ) -> Result<(), Stop> {
        let (argv, words) = self.arguments(&command.words)?;
        let redirections = self.redirections(redirects)?;
        let kind = self.kind(&argv);
        let keeps = matches!(kind, CommandKind::Special | CommandKind::Nothing);
        let (assignments, saved) = self.assignments(&command.assignments, !keeps)?;
        self.commands.push(CommandTrace { argv, kind, span, assignments, redirections, words });
        let at = self.commands.len() - 1;
        let outcome = self.carry_out(at, kind);
        self.restore(saved);
        outcome
    }

    fn arguments(&mut self, words: &[Argument]) -> Result<(Vec<Text>, Vec<WordTrace>), Stop> {
        let mut argv: Vec<Text> = Vec::with_capacity(words.len());
        let mut traces = Vec::with_capacity(words.len());
        let mut declares = false;
        for (at, argument) in words.iter().enumerate() {
            let Argument::Word(word) = argument else {
                self.missing("an array assignment", argument.span());
                continue;
            };
            let first = argv.len();
            self.word = Some(WordTrace::new(word.span, first));
            let assigned = match declares {
                true => self.declared(word)?,
                false => None,
            };
            match assigned {
                Some(text) => argv.push(text),
                None => argv.append(&mut expand::fields(self, word)?),
            }
            if let Some(mut trace) = self.word.take() {
                trace.count = argv.len() - first;
                traces.push(trace);
            }
            if at == 0 {
                declares = self.declares(word, &argv);
            }
        }
        Ok((argv, traces))
    }

    /// Whether the arguments behind this command name are read as assignments.
    fn declares(&self, name: &Word, argv: &[Text]) -> bool {
        let dialect = &self.state.dialect;
        match dialect.late_declarations {
            true => argv.first().is_some_and(|name| dialect.is_declaration(name.bytes())),
            false => name.literal().is_some_and(|name| dialect.is_declaration(name)),
        }
    }

    fn redirections(&mut self, redirects: &[Redirect]) -> Result<Vec<RedirectTrace>, Stop> {
        let mut traces = Vec::with_capacity(redirects.len());
        for redirect in redirects {
            let body = redirect.body.as_ref().and_then(|body| body.get());
            let target =
                expand::single(self, body.unwrap_or(&redirect.word), expand::Tilde::AtStart)?;
            let operator = operator_text(redirect.operator);
            traces.push(RedirectTrace { operator, target, span: redirect.span });
        }
        Ok(traces)
    }

    fn kind(&self, argv: &[Text]) -> CommandKind {
        use crate::dialect::UtilityKind;
        let Some(name) = argv.first() else { return CommandKind::Nothing };
        match self.state.dialect.utility(name.bytes()) {
            Some(UtilityKind::Special) => CommandKind::Special,
            _ if self.state.functions.contains_key(name.bytes()) => CommandKind::Function,
            Some(UtilityKind::Builtin) => CommandKind::Builtin,
            None => CommandKind::External,
        }
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
