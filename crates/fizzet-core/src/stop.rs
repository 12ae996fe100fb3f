//! Why evaluation does not go on with the next command.

use thiserror::Error;

use crate::lineage::hops_kept;
use crate::source::Span;
use crate::syntax::SyntaxError;

/// Limits that keep every trace finite.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Limits {
    /// Commands, loop passes and words that are evaluated.
    pub steps: u64,
    /// Bytes of the values made by one word or kept in one value.
    pub bytes: usize,
    /// Arguments of one command.
    pub fields: usize,
    /// Words made by the braces of one word.
    pub braces: usize,
    /// Commands that are kept in one trace.
    pub commands: usize,
    /// Bytes of memory for the commands that are kept in one trace; see
    /// [`crate::trace::CommandTrace::weight`].
    pub recorded: usize,
    /// Steps of the ways of all values that are kept; see [`crate::lineage::hops_kept`].
    pub hops: usize,
    /// Function calls and substitutions inside each other.
    pub depth: u32,
}

impl Default for Limits {
    fn default() -> Limits {
        Limits {
            steps: 50_000_000,
            bytes: 12 << 20,
            fields: 1_100_000,
            braces: 250_000,
            recorded: 64 << 20,
            commands: 60_000,
            hops: 1_000_000,
            depth: 1000,
        }
    }
}

impl Limits {
    /// Refuses to go on when too many hops are kept.
    pub(crate) fn room_for_hops(&self, span: Span) -> Result<(), Stop> {
        match hops_kept() > self.hops {
            true => {
                let (what, limit) = ("steps on the ways of all values", self.hops as u64);
                Err(Stop::Limit { what, limit, span })
            }
            false => Ok(()),
        }
    }
}

/// What a command leaves in `$?`. In some shells `return` leaves more than the byte that a process
/// can hand on; see [`as_process`].
pub type Status = i32;

/// What is left of a status when a process hands it on.
pub fn as_process(status: Status) -> Status {
    status & 0xff
}

/// A reason to stop.
#[derive(Clone, Debug, Error)]
pub enum Stop {
    /// The shell would print a message here and give up.
    #[error("{0}")]
    Shell(ShellError),
    /// The text cannot be read.
    #[error("{0}")]
    Syntax(SyntaxError),
    /// A stated limit was hit.
    #[error("more than {limit} {what}")]
    Limit {
        /// What there was too much of.
        what: &'static str,
        /// How much is allowed.
        limit: u64,
        /// Where.
        span: Span,
    },
    /// Whoever watches has seen enough.
    #[error("nobody watches any more")]
    Enough,
    /// A coprocess waits for what the shell has not written yet.
    #[error("the coprocess waits")]
    Waits,
    /// `exit`, with its status.
    #[error("exit")]
    Exit(Status),
    /// `return`, with its status.
    #[error("return")]
    Return(Status),
    /// `break`, with the loops still to leave.
    #[error("break")]
    Break(u32),
    /// `continue`, with the loops still to leave.
    #[error("continue")]
    Continue(u32),
}

/// An error that the traced shell itself would report.
#[derive(Clone, Debug, Error)]
#[error("{message}")]
pub struct ShellError {
    /// What is wrong, in our words.
    pub message: String,
    /// Where.
    pub span: Span,
    /// The status that it leaves.
    pub status: Status,
    /// The status that it leaves where `command` keeps it from ending the shell, if that is another one.
    pub spared_status: Option<Status>,
    /// What it ends.
    pub reach: Reach,
    /// Whether it is the wrong use of a built-in utility, which `command` forgives.
    pub is_usage: bool,
    /// Whether it is the assignment of a read-only variable.
    pub is_read_only: bool,
    /// Whether the shell ends as by `exit`.
    pub exits: bool,
    /// Whether it comes from the index of an array, from a variable that is not set or from the text of an
    /// expression, which `((` and its kin do not forgive where they forgive other mistakes.
    pub goes_through: bool,
    /// Whether it ends the text that the shell was given with `-c`, but only the line of a script.
    pub ends_text: bool,
    /// Whether it is in an expression or an offset, which spares the shell under `set -e` where other mistakes
    /// that end a line do not.
    pub is_number: bool,
    /// Whether it is in what an expression is made of, before that is read as one.
    pub is_of_words: bool,
    /// Whether a command behind the assignment that it comes from is carried out all the same.
    pub is_passed_over: bool,
    /// Whether its message has been written.
    pub is_told: bool,
}

impl ShellError {
    /// The same error, as one in an expression or an offset.
    pub fn of_a_number(self) -> ShellError {
        ShellError { is_number: true, ..self }
    }

    /// An error that is no wrong use of a utility.
    pub fn new(message: impl Into<String>, span: Span, status: Status, reach: Reach) -> ShellError {
        ShellError {
            message: message.into(),
            span,
            status,
            spared_status: None,
            reach,
            is_usage: false,
            is_read_only: false,
            exits: false,
            goes_through: false,
            ends_text: false,
            is_number: false,
            is_of_words: false,
            is_passed_over: false,
            is_told: false,
        }
    }
}

/// What an error of the traced shell ends.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reach {
    /// The command it occurs in.
    Command,
    /// The line (as the shell reads lines) it occurs in.
    Line,
    /// The shell.
    Shell,
}

/// What a command prints, as a limit names it.
const PRINTED: &str = "bytes that one command prints";

impl Stop {
    /// A command prints more than is kept.
    pub(crate) fn flood(limit: usize, span: Span) -> Stop {
        Stop::Limit { what: PRINTED, limit: limit as u64, span }
    }

    /// Whether it is because of what a command prints, which is no harm where nobody reads all of it.
    pub(crate) fn is_flood(&self) -> bool {
        matches!(self, Stop::Limit { what, .. } if *what == PRINTED)
    }

    /// A read-only variable that an expression assigns, as a mistake with the status of those in expressions.
    pub(crate) fn of_expression(self, status: Status) -> Stop {
        match self {
            Stop::Shell(error) if error.is_read_only => Stop::Shell(ShellError { status, ..error }),
            stop => stop,
        }
    }

    /// The same mistake in the text of an expression, before that is read as one.
    pub(crate) fn of_words(self) -> Stop {
        match self {
            Stop::Shell(error) => {
                Stop::Shell(ShellError { goes_through: true, is_of_words: true, ..error })
            }
            stop => stop,
        }
    }

    /// The same mistake with another status.
    pub(crate) fn leaving(self, status: Status) -> Stop {
        match self {
            Stop::Shell(error) => Stop::Shell(ShellError { status, ..error }),
            stop => stop,
        }
    }

    /// The same mistake in the index of an array, where it ends the shell; one in the text of the index ends
    /// there what it ends elsewhere.
    pub(crate) fn in_index(self) -> Stop {
        match self {
            Stop::Shell(error) if error.is_of_words => Stop::Shell(error),
            Stop::Shell(error) if error.goes_through && !error.is_number => Stop::Shell(error),
            Stop::Shell(error) => {
                let (reach, goes_through, ends_text) = (Reach::Shell, true, true);
                Stop::Shell(ShellError { reach, goes_through, ends_text, ..error })
            }
            stop => stop,
        }
    }

    /// The same mistake, where `command` does not forgive it.
    pub(crate) fn unforgiven(self) -> Stop {
        match self {
            Stop::Shell(error) => Stop::Shell(ShellError { is_usage: false, ..error }),
            stop => stop,
        }
    }

    /// The same mistake, where it ends the shell as `exit` does: nothing around it holds it.
    pub(crate) fn exiting(self) -> Stop {
        match self {
            Stop::Shell(error) => Stop::Shell(ShellError { exits: true, is_usage: false, ..error }),
            stop => stop,
        }
    }

    /// The same mistake, where it ends the text of `-c` but only a line of a script.
    pub(crate) fn of_text(self) -> Stop {
        match self {
            Stop::Shell(error) => Stop::Shell(ShellError { ends_text: true, ..error }),
            stop => stop,
        }
    }

    /// The same mistake, where it ends the shell.
    pub(crate) fn of_shell(self) -> Stop {
        match self {
            Stop::Shell(error) => Stop::Shell(ShellError { reach: Reach::Shell, ..error }),
            stop => stop,
        }
    }

    /// An error that ends the traced shell.
    pub fn shell(message: impl Into<String>, span: Span, status: Status) -> Stop {
        Stop::error(message, span, status, Reach::Shell)
    }

    /// An error of the traced shell.
    pub fn error(message: impl Into<String>, span: Span, status: Status, reach: Reach) -> Stop {
        Stop::Shell(ShellError::new(message, span, status, reach))
    }
}

impl From<SyntaxError> for Stop {
    fn from(error: SyntaxError) -> Stop {
        match error.is_limit() {
            true => Stop::Limit {
                what: "levels of nesting",
                limit: u64::from(crate::syntax::MAX_DEPTH),
                span: error.span,
            },
            false => Stop::Syntax(error),
        }
    }
}
