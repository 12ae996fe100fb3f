//! What a shell remembers between commands: variables, positional parameters, options.

mod options;
mod parameters;
mod variables;

use std::collections::HashMap;
use std::rc::Rc;

pub use options::Options;
pub use parameters::Positional;
pub use variables::{Key, Value, Variable, Variables};

use crate::dialect::Dialect;
use crate::lineage::{Origin, Rule};
use crate::source::{SourceId, SourceKind, Sources, Span};
use crate::stop::{Limits, Stop};
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

    /// `$-`: the letters of the options that are on, in the shell's own order.
    pub fn option_letters(&self) -> Vec<u8> {
        let on = |letter: &u8| match letter {
            b'e' => self.options.exit_on_error,
            b'f' => self.options.no_glob,
            b'u' => self.options.no_unset,
            b'B' => !self.options.no_braces,
            _ => true,
        };
        self.dialect.dash_flags.bytes().filter(on).collect()
    }

    /// The key that the text of an index stands for.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_key(&mut self, name: &[u8], index: &[u8], span: Span) -> Result<Key, Stop> {
        let associative =
            self.variables.get(name).is_some_and(|one| matches!(one.value, Value::Associative(_)));
        if associative {
            let origin = Origin::new(Rule::Literal, span);
            return Ok(Key::Text(Text::from_bytes(index, Standing::Quoted, origin)));
        }
        crate::expand::arithmetic::text_value(self, index, span).map(Key::Number)
    }

    /// Assigns a variable or an element.
    ///
    /// # Errors
    /// A variable that may not change.
    pub fn store(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        if self.variables.get(name).is_some_and(|variable| variable.read_only) {
            let message = format!("{} is read-only", String::from_utf8_lossy(name));
            return Err(Stop::shell(message, span, self.dialect.arithmetic_status));
        }
        match key {
            None => self.variables.set(name, text),
            Some(key) => self.variables.set_element(name, key, text),
        }
        Ok(())
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
