//! Expansions that the state makes on its own: in a value that a variable keeps as a number, say.

use std::rc::Rc;

use crate::expand::Context;
use crate::host::{Host, Nowhere};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::ast::{CommandSubstitution, ProcessSubstitution};
use crate::text::Text;
use crate::trace::{Missing, WordTrace};

/// A shell where nobody carries commands out: what they would print is a hole.
impl Context for State {
    fn state(&mut self) -> &mut State {
        self
    }

    fn host(&self) -> Rc<dyn Host> {
        Rc::new(Nowhere)
    }

    fn record(&mut self) -> Option<&mut WordTrace> {
        None
    }

    fn command_output(&mut self, command: &CommandSubstitution) -> Result<Text, Stop> {
        self.missing("what the commands print", command.span);
        Ok(Text::hole(&Origin::new(Rule::Command, command.span)))
    }

    fn process(&mut self, _: &ProcessSubstitution) -> Result<Option<Vec<u8>>, Stop> {
        Ok(None)
    }

    fn call_function(&mut self, _: &[u8], _: Vec<Text>, span: Span) -> Result<(), Stop> {
        Err(self.mistake("no function is carried out here", span, 1))
    }

    fn missing(&mut self, what: &str, span: Span) {
        self.keep_missing(Missing { what: what.into(), span, command: None });
    }
}
