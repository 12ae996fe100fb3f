//! Words and what stands in them.

use std::cell::OnceCell;
use std::rc::Rc;

use crate::source::Span;
use crate::syntax::ast::{Arithmetic, Flagged, List, Parameter};
use crate::syntax::error::SyntaxError;
use crate::text::Text;

/// A word: parts with no blank between them.
#[derive(Clone, Debug)]
pub struct Word {
    /// The parts, in order.
    pub parts: Vec<Part>,
    /// All of it.
    pub span: Span,
    /// The field that it always makes, if one is known: most words of most scripts are looked at once.
    pub(crate) always: OnceCell<Option<Box<Text>>>,
}

impl Word {
    /// A word of these parts.
    pub fn new(parts: Vec<Part>, span: Span) -> Word {
        Word { parts, span, always: OnceCell::new() }
    }

    /// The bytes of a word that is one unquoted literal.
    pub fn literal(&self) -> Option<&[u8]> {
        match &self.parts[..] {
            [Part::Literal { bytes, .. }] => Some(bytes),
            _ => None,
        }
    }

    /// Whether its expansion could change a variable: an assignment, arithmetic, an index that is computed. True
    /// also where that is not plain to see.
    pub fn may_change(&self) -> bool {
        self.parts.iter().any(Part::may_change)
    }

    /// The bytes of a word that holds text and quotes only, without the quotes.
    pub fn fixed(&self) -> Option<Vec<u8>> {
        fixed(&self.parts)
    }
}

fn fixed(parts: &[Part]) -> Option<Vec<u8>> {
    let mut all = Vec::new();
    for part in parts {
        match part {
            Part::Literal { bytes, .. }
            | Part::Single { bytes, .. }
            | Part::Escaped { bytes, .. } => all.extend_from_slice(bytes),
            Part::Double { parts, .. } => all.append(&mut fixed(parts)?),
            _ => return None,
        }
    }
    Some(all)
}

/// A part of a word.
#[derive(Clone, Debug)]
pub enum Part {
    /// Unquoted text.
    Literal {
        /// The text.
        bytes: Box<[u8]>,
        /// Where it is written.
        span: Span,
    },
    /// Text that nobody has written: a brace expansion made it, or the shell puts it there when it reads the text.
    Generated {
        /// The text.
        bytes: Box<[u8]>,
        /// Where the braces are written.
        span: Span,
    },
    /// A character after a backslash.
    Escaped {
        /// The character, without the backslash.
        bytes: Box<[u8]>,
        /// With the backslash.
        span: Span,
    },
    /// `'...'`
    Single {
        /// The text between the quotes.
        bytes: Box<[u8]>,
        /// With the quotes.
        span: Span,
    },
    /// `$'...'`
    AnsiC {
        /// The text, decoded.
        bytes: Box<[u8]>,
        /// With `$` and the quotes.
        span: Span,
    },
    /// `"..."` or `$"..."`
    Double {
        /// What is between the quotes.
        parts: Vec<Part>,
        /// With the quotes.
        span: Span,
    },
    /// A parameter expansion.
    Parameter(Box<Parameter>),
    /// A parameter expansion with flags, modifiers or another expansion inside.
    Flagged(Box<Flagged>),
    /// A command substitution.
    Command(Box<CommandSubstitution>),
    /// `$(( ))` or `$[ ]`
    Arithmetic {
        /// The expression.
        expression: Arithmetic,
        /// With the delimiters.
        span: Span,
    },
    /// `<( )` or `>( )`
    Process(Box<ProcessSubstitution>),
}

impl Part {
    pub(super) fn may_change(&self) -> bool {
        match self {
            Part::Literal { .. }
            | Part::Generated { .. }
            | Part::Escaped { .. }
            | Part::Single { .. }
            | Part::AnsiC { .. }
            | Part::Process(_) => false,
            Part::Double { parts, .. } => parts.iter().any(Part::may_change),
            Part::Parameter(parameter) => parameter.may_change(),
            Part::Command(command) => command.place == SubstitutionPlace::Here,
            Part::Flagged(_) | Part::Arithmetic { .. } => true,
        }
    }

    /// Where it is written.
    pub fn span(&self) -> Span {
        match self {
            Part::Literal { span, .. }
            | Part::Generated { span, .. }
            | Part::Escaped { span, .. }
            | Part::Single { span, .. }
            | Part::AnsiC { span, .. }
            | Part::Double { span, .. }
            | Part::Arithmetic { span, .. } => *span,
            Part::Parameter(parameter) => parameter.span,
            Part::Flagged(flagged) => flagged.parameter.span,
            Part::Command(command) => command.span,
            Part::Process(process) => process.span,
        }
    }
}

/// `$(list)` or `` `list` ``.
#[derive(Clone, Debug)]
pub struct CommandSubstitution {
    /// The commands.
    pub list: Rc<List>,
    /// Which shell carries them out.
    pub place: SubstitutionPlace,
    /// With the delimiters.
    pub span: Span,
    /// What comes behind the commands and is found to be wrong when that is reached.
    pub broken: Option<Rc<SyntaxError>>,
    /// Whether the source holds the commands just as they were read, with nothing taken out of them.
    pub as_written: bool,
    /// Whether its lines count as they are written even where the shell prints commands anew before it counts: in
    /// backquotes and here-documents.
    pub lines_count_as_written: bool,
}

/// Which shell carries out a command substitution.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SubstitutionPlace {
    /// One of its own: `$(list)`.
    Subshell,
    /// This one: `${ list;}`.
    Here,
    /// This one, for the value of REPLY: `${|list;}`.
    Reply,
}

/// What the commands of a process substitution do with the file that stands for them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ProcessWay {
    /// `<(list)`: they write what is read from it.
    Writes,
    /// `>(list)`: they read what is written to it.
    Reads,
    /// `=(list)`: they have written it when the command begins, and it is a real file.
    WritesFile,
}

/// `<(list)`, `>(list)` or `=(list)`.
#[derive(Clone, Debug)]
pub struct ProcessSubstitution {
    /// The commands.
    pub list: Rc<List>,
    /// What the commands do.
    pub way: ProcessWay,
    /// With the delimiters.
    pub span: Span,
}
