//! Calls of the exec family as they stand in a C program (POSIX XSH exec; C11 6.4 and 6.7.9).
//!
//! - [`token`]: words of C, with strings and their escapes decoded
//! - [`value`]: strings, null pointers, array initialisers, names that stand for them
//! - [`function`]: the table of functions, and a call read by it
//! - [`faults`]: what goes wrong in a call

pub mod faults;
pub mod function;
pub mod token;
pub mod value;

use thiserror::Error;

use crate::source::Span;

/// C text that cannot be read as a call.
#[derive(Clone, PartialEq, Eq, Debug, Error)]
#[error("{message}")]
pub struct CallError {
    /// What is wrong.
    pub message: String,
    /// Where.
    pub span: Span,
    /// What to do.
    pub hint: String,
}

impl CallError {
    pub(crate) fn new(
        message: impl Into<String>,
        span: Span,
        hint: impl Into<String>,
    ) -> CallError {
        CallError { message: message.into(), span, hint: hint.into() }
    }
}
