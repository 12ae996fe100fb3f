//! The texts that a trace talks about, and the places in them.
//!
//! Every piece of text that is ever parsed or taken as a value is a [`Source`]: the typed line, an
//! argument, a variable that was given, a file, the text of an `eval`. A [`Span`] is a half-open
//! range of bytes in one of them.

use std::borrow::Cow;
use std::cell::OnceCell;
use std::rc::Rc;

use bstr::ByteSlice;
use rustc_hash::FxHashMap;

/// The variable for which commands are worded as they are carried out.
const COMMAND_NAME: &str = "BASH_COMMAND";

/// Names one [`Source`] of a [`Sources`] table.
#[derive(Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Debug)]
pub struct SourceId(u32);

impl SourceId {
    /// The main text: the line or script that is traced. It is always the first source.
    pub const MAIN: SourceId = SourceId(0);

    /// The number of the source in its table, counted from 0.
    pub fn number(self) -> usize {
        self.0 as usize
    }
}

/// A half-open range of bytes in one source.
#[derive(Clone, Copy, PartialEq, Eq, Hash, Debug)]
pub struct Span {
    /// The text that the range lies in.
    pub source: SourceId,
    /// First byte, counted from 0.
    pub start: u32,
    /// One past the last byte.
    pub end: u32,
}

impl Span {
    /// A span over `start..end` of `source`.
    pub fn new(source: SourceId, start: usize, end: usize) -> Span {
        Span { source, start: start as u32, end: end as u32 }
    }

    /// The smallest span that holds both; both must lie in the same source.
    pub fn to(self, last: Span) -> Span {
        debug_assert_eq!(self.source, last.source);
        Span { source: self.source, start: self.start, end: last.end.max(self.start) }
    }

    /// Length in bytes.
    pub fn len(self) -> usize {
        (self.end - self.start) as usize
    }

    /// Whether the span holds no byte.
    pub fn is_empty(self) -> bool {
        self.start == self.end
    }
}

/// What kind of text a source is; its display form is the `in` of a JSON span.
#[derive(Clone, PartialEq, Eq, Hash, Debug)]
pub enum SourceKind {
    /// The line given to `fizzet line`.
    Line,
    /// `$0` as given.
    Zero,
    /// The argument with this number, counted from 1.
    Argument(usize),
    /// A variable given on the command line or taken from the environment.
    Variable {
        /// Its name.
        name: Rc<[u8]>,
        /// Whether it was inherited rather than given with `--var`.
        inherited: bool,
    },
    /// A value the shell itself sets at its start (IFS, `$#`, ...).
    Shell,
    /// The path that exec was given.
    Path,
    /// Text that was put together while running and then parsed: `eval`, an alias, a trap.
    Built(&'static str),
    /// The contents of a file.
    File(Rc<[u8]>),
}

impl SourceKind {
    /// The short name used in JSON and in messages.
    pub fn name(&self) -> Cow<'_, str> {
        match self {
            SourceKind::Line => "line".into(),
            SourceKind::Zero => "zero".into(),
            SourceKind::Argument(n) => format!("argument {n}").into(),
            SourceKind::Variable { name, inherited: false } => {
                format!("var {}", name.as_bstr()).into()
            }
            SourceKind::Variable { name, .. } => format!("environment {}", name.as_bstr()).into(),
            SourceKind::Shell => "shell".into(),
            SourceKind::Path => "path".into(),
            SourceKind::Built(what) => (*what).into(),
            SourceKind::File(path) => path.to_str_lossy(),
        }
    }
}

/// One text with its kind.
#[derive(Clone, Debug)]
pub struct Source {
    /// What the text is.
    pub kind: SourceKind,
    /// Its bytes, exactly as given.
    pub bytes: Rc<[u8]>,
    /// The number of its first line, as LINENO tells it.
    first_line: i64,
    /// Whether all its lines have that number.
    one_number: bool,
    /// The file that it was read from while running.
    path: Option<Rc<[u8]>>,
    /// Where its lines start; counted when it is first asked for.
    lines: OnceCell<Rc<[u32]>>,
}

impl Source {
    fn new(kind: SourceKind, bytes: &[u8]) -> Source {
        Source {
            kind,
            bytes: bytes.into(),
            first_line: 1,
            one_number: false,
            path: None,
            lines: OnceCell::new(),
        }
    }

    /// The line of a byte, from 1, and the offset at which the line starts.
    pub fn line_of(&self, offset: usize) -> (usize, usize) {
        let lines = self.lines.get_or_init(|| {
            let behind = self.bytes.iter().enumerate().filter(|(_, byte)| **byte == b'\n');
            [0].into_iter().chain(behind.map(|(at, _)| at as u32 + 1)).collect()
        });
        let line = lines.partition_point(|&start| start as usize <= offset);
        (line, lines[line - 1] as usize)
    }
}

/// A path, and bytes that belong to it.
type PathBytes = (Rc<[u8]>, Rc<[u8]>);

/// Arguments given from outside, each of them a source.
///
/// The sources are made when one of them is asked for: a script that is called with a hundred thousand
/// arguments seldom asks where one came from.
#[derive(Clone, Debug)]
pub(crate) struct Given {
    all: Rc<[Vec<u8>]>,
    /// The number of the first one's source.
    first: usize,
}

impl Given {
    pub(crate) fn len(&self) -> usize {
        self.all.len()
    }

    /// An argument, counted from 0, and the span over all of it.
    pub(crate) fn get(&self, at: usize) -> Option<(&[u8], Span)> {
        let bytes = self.all.get(at)?;
        let source = SourceId((self.first + at) as u32);
        Some((bytes, Span::new(source, 0, bytes.len())))
    }

    fn sources(&self) -> Vec<Source> {
        let numbered = self.all.iter().enumerate();
        numbered.map(|(at, bytes)| Source::new(SourceKind::Argument(at + 1), bytes)).collect()
    }
}

/// All texts of one trace.
#[derive(Clone, Debug)]
pub struct Sources {
    /// All but the given arguments, whose numbers lie between those of others.
    all: Vec<Source>,
    given: Option<Given>,
    of_given: OnceCell<Vec<Source>>,
    /// The texts that were put together while running: the same text is the same source.
    built: FxHashMap<(&'static str, Rc<[u8]>), SourceId>,
    /// Bytes that belong to paths.
    of_paths: FxHashMap<PathBytes, SourceId>,
    /// About how many bytes of memory the texts take that were put together.
    built_weight: usize,
    /// Whether a text holds [`COMMAND_NAME`].
    names_command: bool,
}

impl Sources {
    /// A table whose main source is `bytes`.
    pub fn new(kind: SourceKind, bytes: &[u8]) -> Sources {
        Sources {
            all: vec![Source::new(kind, bytes)],
            given: None,
            of_given: OnceCell::new(),
            built: FxHashMap::default(),
            of_paths: FxHashMap::default(),
            built_weight: 0,
            names_command: bytes.contains_str(COMMAND_NAME),
        }
    }

    /// Whether a text holds the name of the variable for which commands are worded.
    pub(crate) fn name_command(&self) -> bool {
        self.names_command
    }

    /// Adds a text and returns its name.
    pub fn add(&mut self, kind: SourceKind, bytes: &[u8]) -> SourceId {
        self.names_command |= bytes.contains_str(COMMAND_NAME);
        self.all.push(Source::new(kind, bytes));
        let given = self.given.as_ref().map_or(0, Given::len);
        SourceId((self.all.len() + given) as u32 - 1)
    }

    /// Adds the arguments, which a trace is given once.
    pub(crate) fn give(&mut self, arguments: &Rc<[Vec<u8>]>) -> Given {
        debug_assert!(self.given.is_none(), "a trace is given its arguments once");
        let given = Given { all: arguments.clone(), first: self.all.len() };
        self.given = Some(given.clone());
        given
    }

    /// Where a source stands among all but the given arguments, or else among these.
    fn place(&self, id: SourceId) -> Result<usize, usize> {
        let at = id.0 as usize;
        match &self.given {
            Some(given) if at >= given.first + given.len() => Ok(at - given.len()),
            Some(given) if at >= given.first => Err(at - given.first),
            _ => Ok(at),
        }
    }

    fn get_mut(&mut self, id: SourceId) -> Option<&mut Source> {
        self.place(id).ok().map(|at| &mut self.all[at])
    }

    /// The source of bytes that belong to a path; the same bytes of the same path are one source.
    pub fn of_path(
        &mut self,
        kind: fn(Rc<[u8]>) -> SourceKind,
        path: &[u8],
        bytes: &[u8],
    ) -> SourceId {
        let key = (Rc::from(path), Rc::from(bytes));
        if let Some(&known) = self.of_paths.get(&key) {
            return known;
        }
        let id = self.add(kind(key.0.clone()), bytes);
        self.of_paths.insert(key, id);
        id
    }

    /// The source of a text that was put together while running, in what. A loop that puts the same text
    /// together again and again has one source.
    pub fn built(&mut self, what: &'static str, bytes: &[u8]) -> SourceId {
        let key = (what, Rc::from(bytes));
        if let Some(&known) = self.built.get(&key) {
            return known;
        }
        self.built_weight += 2 * size_of::<Source>() + bytes.len();
        let id = self.add(SourceKind::Built(what), bytes);
        self.built.insert(key, id);
        id
    }

    /// About how many bytes of memory the texts take that were put together while running.
    pub fn built_weight(&self) -> usize {
        self.built_weight
    }

    /// The source with this name.
    pub fn get(&self, id: SourceId) -> &Source {
        match self.place(id) {
            Ok(at) => &self.all[at],
            Err(at) => {
                let made = || self.given.as_ref().map_or_else(Vec::new, Given::sources);
                &self.of_given.get_or_init(made)[at]
            }
        }
    }

    /// The number of a line of a text that was put together while running; `line` counts from 1 in it.
    pub fn line_number(&self, id: SourceId, line: usize) -> i64 {
        let source = self.get(id);
        match source.one_number {
            true => source.first_line,
            false => source.first_line + line as i64 - 1,
        }
    }

    /// The file that a text is from.
    pub fn path(&self, id: SourceId) -> Option<&Rc<[u8]>> {
        let source = self.get(id);
        match &source.kind {
            SourceKind::File(path) => Some(path),
            _ => source.path.as_ref(),
        }
    }

    /// Says which file a text was read from while running.
    pub fn set_path(&mut self, id: SourceId, path: &[u8]) {
        if let Some(source) = self.get_mut(id) {
            source.path = Some(path.into());
        }
    }

    /// Says on which line a text begins, and whether it is all on that line.
    pub fn set_line(&mut self, id: SourceId, line: i64, one_number: bool) {
        if let Some(source) = self.get_mut(id) {
            (source.first_line, source.one_number) = (line, one_number);
        }
    }

    /// The bytes that a span covers.
    pub fn bytes(&self, span: Span) -> &[u8] {
        let bytes = &self.get(span.source).bytes;
        &bytes[(span.start as usize).min(bytes.len())..(span.end as usize).min(bytes.len())]
    }

    /// Line and column of the start of a span, both from 1.
    ///
    /// The column counts characters (a byte that is not part of valid UTF-8 counts as one), since
    /// that is what an editor shows.
    pub fn position(&self, span: Span) -> Position {
        let source = self.get(span.source);
        let bytes = &source.bytes;
        let start = (span.start as usize).min(bytes.len());
        let (line, line_start) = source.line_of(start);
        Position { line, column: bytes[line_start..start].chars().count() + 1, line_start }
    }
}

/// Where a span starts, for people.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Position {
    /// Line, from 1.
    pub line: usize,
    /// Column in characters, from 1.
    pub column: usize,
    /// Byte offset at which the line starts.
    pub line_start: usize,
}

#[cfg(test)]
mod tests {
    use super::{SourceId, SourceKind, Sources, Span};

    #[test]
    fn columns_count_characters_and_lines_count_newlines() {
        let text = "jar\nä 'honig".as_bytes();
        let sources = Sources::new(SourceKind::Line, text);
        let at = text.iter().position(|&b| b == b'\'').unwrap();
        let position = sources.position(Span::new(SourceId::MAIN, at, at + 1));
        assert_eq!((position.line, position.column, position.line_start), (2, 3, 4));
    }

    #[test]
    fn invalid_bytes_count_as_one_column_each() {
        let sources = Sources::new(SourceKind::Line, b"\xff\xfe$");
        assert_eq!(sources.position(Span::new(SourceId::MAIN, 2, 3)).column, 3);
    }
}
