//! What can go wrong in the command itself, and how people are told.

use std::io;

use thiserror::Error;

/// A failure of the command, not of the traced text.
#[derive(Debug, Error)]
pub enum Failure {
    /// The command's own arguments are wrong.
    #[error("{0}")]
    Usage(#[from] clap::Error),
    /// Something given cannot be used.
    #[error("{what}: {why}")]
    Unusable {
        /// What was given.
        what: String,
        /// What is wrong with it.
        why: String,
        /// What to do.
        hint: String,
    },
    /// Output cannot be written.
    #[error("the output cannot be written: {0}")]
    Output(#[source] io::Error),
    /// The reader of our output went away.
    #[error("the reader of the output went away")]
    ClosedPipe,
}

impl From<io::Error> for Failure {
    fn from(error: io::Error) -> Failure {
        match error.kind() {
            io::ErrorKind::BrokenPipe => Failure::ClosedPipe,
            _ => Failure::Output(error),
        }
    }
}

impl From<serde_json::Error> for Failure {
    fn from(error: serde_json::Error) -> Failure {
        Failure::from(io::Error::from(error))
    }
}

impl Failure {
    /// Tells the person and answers the exit status.
    pub fn report(self) -> u8 {
        use io::Write;
        let mut out = anstream::stderr().lock();
        match &self {
            Failure::Usage(error) => {
                // Help and version are no failures and go to standard output.
                let _ = error.print();
                return u8::try_from(error.exit_code()).unwrap_or(2);
            }
            Failure::Unusable { hint, .. } => {
                let _ = writeln!(out, "fizzet: {self}\n  {hint}");
            }
            _ => {
                let _ = writeln!(out, "fizzet: {self}");
            }
        }
        2
    }
}
