//! What can be wrong with a shell text.

use thiserror::Error;

use crate::source::Span;

/// A refusal: what was wrong and where.
#[derive(Clone, Debug, Error)]
#[error("{kind}")]
pub struct SyntaxError {
    /// What is wrong.
    pub kind: SyntaxErrorKind,
    /// Where.
    pub span: Span,
    /// Whether the shell goes on with the next line.
    pub ends_line: bool,
    /// Whether the shell ends even where the text is one that `eval` or `.` carries out.
    pub ends_shell: bool,
}

/// What is expected behind a command that is whole.
pub(super) const SEPARATOR: &str = "a semicolon or a newline";

impl SyntaxError {
    /// A refusal that ends the reading.
    pub fn new(kind: SyntaxErrorKind, span: Span) -> SyntaxError {
        SyntaxError { kind, span, ends_line: false, ends_shell: false }
    }
}

/// The kinds of syntax error.
#[derive(Clone, PartialEq, Eq, Debug, Error)]
pub enum SyntaxErrorKind {
    /// A quote or bracket that is never closed; the span is the opener.
    #[error("this {opener} is never closed")]
    Unclosed {
        /// The opener as written.
        opener: &'static str,
        /// What would close it.
        closer: &'static str,
    },
    /// A token that cannot stand here.
    #[error("{found} cannot stand here; {expected} was expected")]
    Unexpected {
        /// What was found, for people.
        found: String,
        /// What could have stood here.
        expected: &'static str,
    },
    /// The text ends too early.
    #[error("the text ends here, but {expected} was expected")]
    EndOfText {
        /// What is missing.
        expected: &'static str,
    },
    /// Something inside `${...}` that is no expansion.
    #[error("this is not a parameter expansion of this shell")]
    BadExpansion,
    /// A function name that the shell refuses.
    #[error("this cannot be the name of a function here")]
    BadFunctionName,
    /// A function whose name is what an alias stands for.
    #[error("an alias stands for the name of this function")]
    NamedByAlias,
    /// A `for` variable that is not a name.
    #[error("this is not a name")]
    NotAName,
    /// More here-documents on one line than the shell holds.
    #[error("more than {limit} here-documents begin on this line")]
    Documents {
        /// How many it holds.
        limit: usize,
    },
    /// Nesting beyond the stated limit.
    #[error("nested deeper than {limit} levels")]
    TooDeep {
        /// The limit.
        limit: u32,
    },
}

impl SyntaxError {
    /// What to do about it.
    pub fn hint(&self) -> String {
        match &self.kind {
            SyntaxErrorKind::Unclosed { closer, .. } => {
                format!(
                    "close it with {closer}, or put a backslash before it if it stands for itself"
                )
            }
            SyntaxErrorKind::Unexpected { expected, .. } if *expected == SEPARATOR => {
                "put ; before it".into()
            }
            SyntaxErrorKind::Unexpected { .. } => {
                "quote it if it is meant as text: '...' or a backslash before it".into()
            }
            SyntaxErrorKind::EndOfText { expected } => format!("add {expected}"),
            SyntaxErrorKind::BadExpansion => {
                "write ${name} or one of its operators; single-quote it if it is meant as text"
                    .into()
            }
            SyntaxErrorKind::BadFunctionName | SyntaxErrorKind::NotAName => {
                "use letters, digits and underscores, not beginning with a digit".into()
            }
            SyntaxErrorKind::NamedByAlias => {
                "write \\ before the name, or `function` and the name".into()
            }
            SyntaxErrorKind::Documents { .. } => {
                "put some of the commands on lines of their own".into()
            }
            SyntaxErrorKind::TooDeep { .. } => "split the text into smaller commands".into(),
        }
    }

    /// Whether the text hit a stated limit rather than being wrong.
    pub fn is_limit(&self) -> bool {
        matches!(self.kind, SyntaxErrorKind::TooDeep { .. })
    }
}
