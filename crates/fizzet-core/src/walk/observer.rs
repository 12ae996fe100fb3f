//! Who watches an evaluation: it is told what happens as it happens, and may have enough.

use crate::source::{Sources, Span};
use crate::state::Positional;
use crate::stop::Limits;
use crate::text::Text;
use crate::trace::CommandTrace;

/// What an observer is told about. What nobody wants to know is not worked out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Wants {
    /// Commands with their vectors and words.
    pub commands: bool,
    /// Changes of the positional parameters.
    pub params: bool,
    /// What built-in utilities print.
    pub output: bool,
}

impl Wants {
    /// Everything.
    pub const ALL: Wants = Wants { commands: true, params: true, output: true };
}

/// Why an observer does not want to be told more.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Refusal {
    /// It has seen what it wanted to see.
    Enough,
    /// It keeps what it is told, and holds more of this than the limit.
    Full(&'static str, u64),
}

/// Where an evaluation stands.
#[derive(Clone, Copy, Debug)]
pub struct Moment<'a> {
    /// All texts that spans point into.
    pub sources: &'a Sources,
    /// Functions, sourced files and substitutions that the place is inside of.
    pub depth: u32,
}

/// What changed the positional parameters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Cause {
    /// `set` replaced them.
    Set,
    /// `shift` moved them by so many places.
    Shift(usize),
    /// A function was called: it has its own.
    Call,
    /// A function or a sourced file has ended: those from before it are back.
    Return,
    /// A file was sourced with arguments of its own.
    Source,
}

impl Cause {
    /// The name used in JSON and in texts.
    pub fn name(self) -> &'static str {
        match self {
            Cause::Set => "set",
            Cause::Shift(_) => "shift",
            Cause::Call => "call",
            Cause::Return => "return",
            Cause::Source => "source",
        }
    }
}

/// A change of the positional parameters.
#[derive(Clone, Copy, Debug)]
pub struct Change<'a> {
    /// What made it.
    pub cause: Cause,
    /// The command that made it.
    pub span: Span,
    /// The parameters until then.
    pub before: &'a Positional,
    /// The parameters from then on.
    pub after: &'a Positional,
}

/// Watches an evaluation.
pub trait Observer {
    /// What it wants to be told; asked once, at the start.
    fn wants(&self) -> Wants {
        Wants::ALL
    }

    /// A command is about to be carried out.
    ///
    /// # Errors
    /// The observer wants no more.
    fn command(&mut self, moment: Moment<'_>, command: CommandTrace) -> Result<(), Refusal>;

    /// The positional parameters have changed.
    ///
    /// # Errors
    /// The observer wants no more.
    fn params(&mut self, _: Moment<'_>, _: Change<'_>) -> Result<(), Refusal> {
        Ok(())
    }

    /// A built-in utility has printed something that no other command reads.
    ///
    /// # Errors
    /// The observer wants no more.
    fn output(&mut self, _: Moment<'_>, _: &Text) -> Result<(), Refusal> {
        Ok(())
    }
}

/// Keeps every command, as far as there is room.
pub(super) struct Collector {
    pub(super) commands: Vec<CommandTrace>,
    weight: usize,
    limits: Limits,
}

impl Collector {
    pub(super) fn new(limits: Limits) -> Collector {
        Collector { commands: Vec::new(), weight: 0, limits }
    }
}

impl Observer for Collector {
    fn wants(&self) -> Wants {
        Wants { params: false, output: false, ..Wants::ALL }
    }

    /// The first command is kept whatever it weighs.
    fn command(&mut self, _: Moment<'_>, command: CommandTrace) -> Result<(), Refusal> {
        self.weight += command.weight();
        let limits = &self.limits;
        if self.commands.len() >= limits.commands {
            return Err(Refusal::Full("commands in one trace", limits.commands as u64));
        }
        if self.weight > limits.recorded && !self.commands.is_empty() {
            return Err(Refusal::Full("bytes of commands in one trace", limits.recorded as u64));
        }
        self.commands.push(command);
        Ok(())
    }
}
