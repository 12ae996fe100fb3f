//! What a shell remembers between commands: variables, positional parameters, options.

mod options;
mod parameters;
mod variables;

use std::collections::HashMap;
use std::rc::Rc;

pub use options::Options;
pub use parameters::Positional;
pub use variables::{Value, Variable, Variables};

use crate::dialect::Dialect;
use crate::lineage::{Origin, Rule};
use crate::source::{SourceId, SourceKind, Sources, Span};
use crate::stop::Limits;
use crate::syntax::ast::Command;
use crate::text::{Standing, Text};

/// The state of one shell.
pub struct State {
    /// Its rules.
    pub dialect: Rc<Dialect>,
    /// All texts seen so far.
    pub sources: Sources,
    /// Variables.
    pub variables: Variables,
    /// `$0` and the positional parameters.
    pub positional: Positional,
    /// Shell options.
    pub options: Options,
    /// Functions by name.
    pub functions: HashMap<Rc<[u8]>, Rc<Command>>,
    /// `$?`
    pub status: u8,
    /// When it gives up.
    pub limits: Limits,
    /// Steps taken.
    pub steps: u64,
    /// Whether an external command's status had to be assumed.
    pub assumed_status: bool,
    shell_source: SourceId,
}

impl State {
    /// A shell at its start: IFS is set, nothing else.
    pub fn new(dialect: Dialect, main: SourceKind, text: &[u8]) -> State {
        let mut sources = Sources::new(main, text);
        let shell_source = sources.add(SourceKind::Shell, b"");
        let mut state = State {
            dialect: Rc::new(dialect),
            sources,
            variables: Variables::default(),
            positional: Positional::default(),
            options: Options::default(),
            functions: HashMap::new(),
            status: 0,
            limits: Limits::default(),
            steps: 0,
            assumed_status: false,
            shell_source,
        };
        let zero = state.shell_text(state.dialect.shell.name().as_bytes());
        state.positional.zero = zero;
        let ifs = state.shell_text(b" \t\n");
        state.variables.set(b"IFS", ifs);
        state
    }

    /// A value that the shell makes itself.
    pub fn shell_text(&self, bytes: &[u8]) -> Text {
        Text::from_bytes(bytes, Standing::Quoted, self.shell_origin())
    }

    /// The origin of values that the shell makes itself.
    pub fn shell_origin(&self) -> Origin {
        Origin::new(Rule::Shell, Span::new(self.shell_source, 0, 0))
    }

    /// A value given from outside: it becomes a source of its own.
    pub fn given(&mut self, kind: SourceKind, bytes: &[u8]) -> Text {
        let source = self.sources.add(kind, bytes);
        let origin = Origin::new(Rule::Given, Span::new(source, 0, bytes.len()));
        Text::from_bytes(bytes, Standing::Quoted, origin)
    }

    /// Whether the locale of the variables has multi-byte characters.
    ///
    /// The first of LC_ALL, LC_CTYPE and LANG that is set and not empty decides (POSIX XBD 8.2).
    pub fn utf8(&self) -> bool {
        let name = [&b"LC_ALL"[..], b"LC_CTYPE", b"LANG"]
            .into_iter()
            .filter_map(|name| self.variables.scalar(name))
            .find(|value| !value.is_empty());
        name.is_some_and(|value| {
            let name = value.bytes().to_ascii_lowercase();
            name.ends_with(b".utf-8") || name.ends_with(b".utf8")
        })
    }
}
