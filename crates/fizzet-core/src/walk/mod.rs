//! The evaluator: runs shell text without running anything.

mod assign;
mod statements;
mod utilities;

use std::rc::Rc;

use crate::expand::Context;
use crate::host::Host;
use crate::notes;
use crate::source::{SourceId, Span};
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::List;
use crate::text::Text;
use crate::trace::{CommandTrace, Ending, Missing, Trace, WordTrace};

/// Evaluates the main source of a state and answers the trace.
///
/// ```
/// use fizzet_core::{dialect::{Dialect, Shell}, host::Nowhere, source::SourceKind, state::State, walk};
/// let text = b"label \"two words\"";
/// let state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, text);
/// let trace = walk::line(state, std::rc::Rc::new(Nowhere));
/// assert_eq!(trace.commands[0].argv[1].bytes(), b"two words");
/// ```
pub fn line(state: State, host: Rc<dyn Host>) -> Trace {
    let mut walker = Walker { state, host, commands: Vec::new(), missing: Vec::new(), word: None };
    let outcome = walker.source(SourceId::MAIN);
    walker.into_trace(outcome)
}

/// An evaluation under way.
pub(crate) struct Walker {
    pub(crate) state: State,
    host: Rc<dyn Host>,
    commands: Vec<CommandTrace>,
    missing: Vec<Missing>,
    /// The word that is being expanded.
    word: Option<WordTrace>,
}

impl Walker {
    /// Reads and carries out a source, one line of commands after the other.
    fn source(&mut self, id: SourceId) -> Result<(), Stop> {
        let (bytes, dialect) =
            (self.state.sources.get(id).bytes.clone(), self.state.dialect.clone());
        let mut parser = Parser::new(&bytes, id, &dialect);
        while let Some(list) = parser.next_commands()? {
            self.list(&list)?;
        }
        Ok(())
    }

    /// Counts a step.
    fn step(&mut self, span: Span) -> Result<(), Stop> {
        self.state.steps += 1;
        let limit = self.state.limits.steps;
        if self.state.steps > limit {
            return Err(Stop::Limit { what: "steps", limit, span });
        }
        Ok(())
    }

    fn into_trace(self, outcome: Result<(), Stop>) -> Trace {
        let ending = match outcome {
            Err(Stop::Shell(error)) => Ending::ShellStops(error),
            Err(Stop::Syntax(error)) => Ending::Syntax(error),
            Err(stop @ Stop::Limit { span, .. }) => {
                Ending::Stopped { message: stop.to_string(), span }
            }
            Ok(()) | Err(_) if self.missing.is_empty() => Ending::Complete,
            Ok(()) | Err(_) => Ending::Incomplete,
        };
        let mut trace = Trace {
            shell: self.state.dialect.shell,
            zero: self.state.positional.zero.clone(),
            positional: self.state.positional.all().to_vec(),
            sources: self.state.sources,
            commands: self.commands,
            notes: Vec::new(),
            missing: self.missing,
            ending,
            assumed_status: self.state.assumed_status,
        };
        trace.notes = notes::find(&trace);
        trace
    }
}

impl Context for Walker {
    fn state(&mut self) -> &mut State {
        &mut self.state
    }

    fn host(&self) -> Rc<dyn Host> {
        self.host.clone()
    }

    fn record(&mut self) -> Option<&mut WordTrace> {
        self.word.as_mut()
    }

    fn command_output(&mut self, _: &Rc<List>, span: Span) -> Result<Text, Stop> {
        self.missing("the output of a command substitution", span);
        let mut text = Text::new();
        let origin = crate::lineage::Origin::new(crate::lineage::Rule::Command, span);
        text.push_hole(crate::text::Standing::Quoted, &origin);
        Ok(text)
    }

    fn missing(&mut self, what: &str, span: Span) {
        let missing = Missing { what: what.into(), span };
        if !self.missing.contains(&missing) {
            self.missing.push(missing);
        }
    }
}
