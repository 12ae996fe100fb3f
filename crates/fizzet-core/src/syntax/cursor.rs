//! The parser's place in the text.
//!
//! Outside quotes and comments a backslash before a newline does not exist for the grammar (POSIX
//! XCU 2.2.1), so every look ahead goes through [`Parser::peek`], which steps over it.

use std::cell::Cell;

use crate::dialect::{Dialect, LoneSemicolons};
use crate::source::{SourceId, Span};
use crate::syntax::alias::Substituting;
use crate::syntax::ast::{Redirect, Word};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::lists_in_substitutions::SubstitutionIn;
use crate::syntax::vanishing::Vanishing;
use crate::syntax::within::InPattern;

/// The deepest nesting of substitutions and compound commands that is read.
pub const MAX_DEPTH: u32 = 400;

/// Where a stretch of the parsed text was written.
#[derive(Clone, Copy, Debug)]
pub(super) struct Segment {
    /// Offset in the parsed text at which the stretch starts.
    pub(super) at: usize,
    /// The source it was written in.
    pub(super) source: SourceId,
    /// The offset there.
    pub(super) offset: usize,
    /// For the text of an alias: where the word began that it was put in the place of.
    pub(super) stands_at: Option<(SourceId, usize)>,
    /// What all of the stretch was made of, and how much was written for that, if it is not what was written.
    pub(super) made_of: Option<(Made, usize)>,
}

/// What made a stretch of text that is read.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Made {
    /// An escape of `$'...'`.
    Escape,
    /// A sequence in braces.
    Sequence,
}

impl Segment {
    /// A stretch that begins at `at` in the parsed text, and is written at the start of `span`.
    pub(super) fn written(at: usize, span: Span) -> Segment {
        let (source, offset) = (span.source, span.start as usize);
        Segment { at, source, offset, stands_at: None, made_of: None }
    }

    /// A stretch that begins at `at` in the parsed text, and stands for all of `span`.
    pub(super) fn made(at: usize, span: Span, made: Made) -> Segment {
        let length = (span.end - span.start) as usize;
        Segment { made_of: Some((made, length)), ..Segment::written(at, span) }
    }
}

/// A here-document whose body has not been reached yet.
pub(super) struct PendingDocument {
    pub(super) cell: std::rc::Rc<std::cell::OnceCell<Word>>,
    pub(super) delimiter: Vec<u8>,
    pub(super) quoted: bool,
    pub(super) strip_tabs: bool,
    pub(super) opener: Span,
}

/// Whether a word can only be a pattern, and where.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum PatternWord {
    No,
    /// Behind `==` in `[[`.
    OfCondition,
    /// In `case`.
    OfCase,
}

/// Reads shell text of one dialect.
///
/// Conventions: a method named after a construct stands at its first byte when called and behind
/// its last byte when it returns; `at_*` looks without moving; `eat_*` moves only if it answers
/// true; `expect_*` makes a syntax error of what the author wrote.
pub struct Parser<'a> {
    pub(super) text: std::borrow::Cow<'a, [u8]>,
    pub(super) dialect: &'a Dialect,
    pub(super) pos: usize,
    pub(super) segments: Vec<Segment>,
    pub(super) depth: u32,
    pub(super) pending: Vec<PendingDocument>,
    pub(super) extended_patterns: bool,
    /// Whether it is the text that the shell was started with.
    pub(crate) is_main: bool,
    /// Whether words that look like assignments are such behind the command name too.
    pub(super) keywords: bool,
    /// Whether the word is the value of an assignment.
    pub(super) in_assignment: bool,
    /// Whether braces pair up in the pattern of a replacement that is being read.
    pub(super) braces_in_replaced: bool,
    /// Whether a pair of braces inside the word of an operation has closed, which ends the operation for the
    /// reader of words.
    pub(super) nested_closed: Cell<bool>,
    /// Where a word goes on, and where it ends, that modifiers without braces have been looked for in.
    pub(super) modified_word: Cell<Option<(usize, usize)>>,
    /// Whether the text is a here-document.
    pub(super) in_document: bool,
    /// Whether it is between quotes inside the word of an operation that is quoted itself.
    pub(super) in_inner_quotes: bool,
    /// Where the latest compound command has ended.
    pub(super) compound_end: usize,
    /// Whether `time` stands before a pipeline around.
    pub(super) in_time: bool,
    /// Whether a slash has ended the pattern of the latest replacement inside of a group.
    pub(super) slash_in_group: bool,
    /// What parentheses are in the pattern of an operation that is being read.
    pub(super) in_pattern: InPattern,
    /// Whether the expansion in braces that is being read stands between double quotes.
    pub(super) in_quoted_braces: bool,
    /// Whether it is between quotes inside the word of an operation where `\}` is a brace.
    pub(super) in_quotes_in_braces: bool,
    /// Whether quotes within quotes are read only to find their end.
    pub(super) measures_quotes: bool,
    /// What the substitution stands in whose commands are read.
    pub(super) substitution_in: SubstitutionIn,
    /// The outermost double quote of the word that is read.
    pub(super) outer_quote: Option<usize>,
    /// Whether a single quote that nothing closes runs on to the end of the text.
    pub(super) quotes_run_on: bool,
    /// All of the text, where it is cut short at the end of the word because one could.
    pub(super) whole_text: Option<std::borrow::Cow<'a, [u8]>>,
    /// Whether it is the expression of a `((...))` whose quotes vanish.
    pub(super) in_arithmetic_command: bool,
    /// Whether the word that is read is a pattern.
    pub(super) pattern_word: PatternWord,
    /// Whether the operation that is read is one on a variable.
    pub(super) on_variable: bool,
    /// Where the text stands in a word whose double quotes vanish before it is read.
    pub(super) vanishing: Option<Vanishing>,
    /// How many parentheses around commands are open, and how many of those are `$(`.
    pub(super) parentheses: (u32, u32),
    /// How many `${ list;}` are open: there a brace needs no blank behind it.
    pub(super) command_braces: u32,
    pub(super) aliases: Substituting,
    /// How often the text was read again with what `$'...'` gave in it.
    pub(super) read_again: u32,
    /// Places of `((` that turned out not to be arithmetic, so that none is tried twice.
    pub(super) not_arithmetic: std::collections::HashSet<usize>,
    /// Places of the parentheses before patterns of `case` in substitutions, in order.
    pub(super) left_away: Vec<usize>,
    /// Places of brackets in expansions that nothing closes.
    pub(super) not_subscripts: std::collections::HashSet<usize>,
}

pub(crate) type Parsed<T> = Result<T, SyntaxError>;

impl<'a> Parser<'a> {
    /// Whether a name can begin with this byte.
    pub(super) fn begins_name(&self, byte: u8) -> bool {
        is_name_start(byte) || (byte >= 0x80 && self.dialect.wide_names)
    }

    /// A parser at the start of a source.
    pub fn new(text: &'a [u8], source: SourceId, dialect: &'a Dialect) -> Parser<'a> {
        Parser {
            text: text.into(),
            dialect,
            pos: 0,
            segments: vec![Segment::written(0, Span::new(source, 0, 0))],
            depth: 0,
            pending: Vec::new(),
            extended_patterns: dialect.extended_patterns,
            is_main: false,
            keywords: false,
            in_assignment: false,
            braces_in_replaced: false,
            nested_closed: Cell::new(false),
            modified_word: Cell::new(None),
            in_document: false,
            in_inner_quotes: false,
            in_time: false,
            compound_end: usize::MAX,
            in_quoted_braces: false,
            slash_in_group: false,
            in_pattern: InPattern::default(),
            in_quotes_in_braces: false,
            measures_quotes: false,
            substitution_in: SubstitutionIn::Nothing,
            outer_quote: None,
            quotes_run_on: false,
            whole_text: None,
            vanishing: None,
            on_variable: false,
            in_arithmetic_command: false,
            pattern_word: PatternWord::No,
            parentheses: (0, 0),
            command_braces: 0,
            aliases: Substituting::default(),
            read_again: 0,
            not_arithmetic: Default::default(),
            left_away: Vec::new(),
            not_subscripts: Default::default(),
        }
    }

    /// A parser of a text that is put together from pieces of sources.
    pub(crate) fn of_pieces<'p>(
        pieces: impl Iterator<Item = (&'p [u8], Span)>,
        dialect: &'a Dialect,
    ) -> Parser<'a> {
        let (mut text, mut segments) = (Vec::new(), Vec::<Segment>::new());
        let mut behind = None;
        for (bytes, span) in pieces {
            let is_written = bytes.len() == (span.end - span.start) as usize;
            match is_written {
                true if behind == Some((span.source, span.start)) => {}
                true => segments.push(Segment::written(text.len(), span)),
                false => segments.push(Segment::made(text.len(), span, Made::Sequence)),
            }
            text.extend_from_slice(bytes);
            behind = is_written.then_some((span.source, span.end));
        }
        let mut parser = Parser::new(b"", SourceId::MAIN, dialect);
        parser.text = text.into();
        if !segments.is_empty() {
            parser.segments = segments;
        }
        parser
    }

    /// Says where in its source the text begins.
    pub fn begins_at(&mut self, offset: usize) {
        self.segments[0].offset = offset;
    }

    /// The rules that count from here on.
    pub fn set_dialect(&mut self, dialect: &'a Dialect) {
        self.dialect = dialect;
    }

    /// Whether groups such as `@(a|b)` are patterns from here on.
    pub fn set_extended_patterns(&mut self, on: bool) {
        self.extended_patterns = on || self.dialect.extended_patterns;
    }

    /// Whether words that look like assignments are such behind the command name too, from here on.
    pub fn set_keywords(&mut self, on: bool) {
        self.keywords = on;
    }

    /// A parser of a text inside this one: a backquoted command, the body of a here-document.
    pub(super) fn inner(&self, text: Vec<u8>, segments: Vec<Segment>) -> Parser<'a> {
        Parser {
            text: text.into(),
            dialect: self.dialect,
            pos: 0,
            segments,
            depth: self.depth,
            pending: Vec::new(),
            extended_patterns: self.extended_patterns,
            is_main: false,
            keywords: self.keywords,
            in_assignment: false,
            braces_in_replaced: false,
            nested_closed: Cell::new(false),
            modified_word: Cell::new(None),
            in_document: false,
            in_inner_quotes: false,
            in_time: false,
            compound_end: usize::MAX,
            in_quoted_braces: false,
            slash_in_group: false,
            in_pattern: InPattern::default(),
            in_quotes_in_braces: false,
            measures_quotes: false,
            substitution_in: SubstitutionIn::Nothing,
            outer_quote: None,
            quotes_run_on: false,
            whole_text: None,
            vanishing: None,
            on_variable: false,
            in_arithmetic_command: false,
            pattern_word: PatternWord::No,
            parentheses: (0, 0),
            command_braces: 0,
            aliases: Substituting::of(self.aliases.known.clone()),
            read_again: self.read_again,
            not_arithmetic: Default::default(),
            left_away: Vec::new(),
            not_subscripts: Default::default(),
        }
    }

    /// A span of the parsed text, told in the source it was written in. What ends in another one ends
    /// behind the name of the alias that stands for that, or with the text of the alias it began in.
    pub(super) fn span(&self, start: usize, end: usize) -> Span {
        let at = self.segments.partition_point(|segment| segment.at <= start) - 1;
        let segment = self.segments[at];
        let inside = if segment.made_of.is_some() { 0 } else { start - segment.at };
        let from = segment.offset + inside;
        let last = self.segments.partition_point(|segment| segment.at < end).max(at + 1) - 1;
        let close = self.segments[last];
        // What begins in an alias and ends behind it begins at the word that the alias replaced.
        if let Some((source, from)) =
            segment.stands_at.filter(|(source, _)| *source == close.source)
            && close.source != segment.source
        {
            return Span::new(source, from, end - close.at.min(end) + close.offset);
        }
        let to = match close.source == segment.source {
            true => {
                close.offset + close.made_of.map_or(end - close.at.min(end), |(_, length)| length)
            }
            false => {
                let again = self.segments[last..].iter().find(|one| one.source == segment.source);
                again.map_or(self.segments[at + 1].at - segment.at + segment.offset, |one| {
                    one.offset
                })
            }
        };
        Span::new(segment.source, from, to.max(from))
    }

    /// How far the text from `start` on, up to `end`, comes from one source.
    pub(super) fn same_source(&self, start: usize, end: usize) -> usize {
        let at = self.segments.partition_point(|segment| segment.at <= start);
        let source = self.segments[at - 1].source;
        let mut inside = self.segments[at..].iter().take_while(|segment| segment.at < end);
        let mut made = self.segments[at - 1].made_of.is_some();
        let parts = |segment: &&Segment| {
            let before = std::mem::replace(&mut made, segment.made_of.is_some());
            before || made || segment.source != source
        };
        inside.find(parts).map_or(end, |segment| segment.at)
    }

    /// What made the text at an offset, if it was not written.
    pub(super) fn made_at(&self, at: usize) -> Option<Made> {
        let segment = self.segments.partition_point(|segment| segment.at <= at) - 1;
        self.segments[segment].made_of.map(|(made, _)| made)
    }

    /// Whether the text between these offsets stands in one piece in its source.
    pub(super) fn is_as_written(&self, start: usize, end: usize) -> bool {
        let at = self.segments.partition_point(|segment| segment.at <= start);
        self.segments.get(at).is_none_or(|segment| segment.at >= end)
    }

    /// The offset of the first byte at or after `at` that exists for the grammar.
    pub(super) fn over_continuations(&self, mut at: usize) -> usize {
        while self.text[at.min(self.text.len())..].starts_with(b"\\\n") {
            at += 2;
        }
        at
    }

    /// The next byte that exists for the grammar; steps over line continuations.
    pub(super) fn peek(&mut self) -> Option<u8> {
        self.pos = self.over_continuations(self.pos);
        self.text.get(self.pos).copied()
    }

    /// The byte `ahead` places further, continuations not counted.
    pub(super) fn peek_ahead(&self, ahead: usize) -> Option<u8> {
        let mut at = self.over_continuations(self.pos);
        for _ in 0..ahead {
            at = self.over_continuations(at + 1);
        }
        self.text.get(at).copied()
    }

    /// Steps over so many bytes that exist for the grammar.
    pub(super) fn advance(&mut self, count: usize) {
        for _ in 0..count {
            self.pos = self.over_continuations(self.pos) + 1;
        }
    }

    /// The next byte exactly as it stands in the text.
    pub(super) fn raw(&self) -> Option<u8> {
        self.text.get(self.pos).copied()
    }

    /// Whether the text goes on with `expected`: continuations before it do not count, and none in it where the
    /// shell takes them there.
    pub(super) fn at(&self, expected: &[u8]) -> bool {
        self.end_of(expected).is_some()
    }

    /// Steps over `expected` if it comes next.
    pub(super) fn eat(&mut self, expected: &[u8]) -> bool {
        let end = self.end_of(expected);
        self.pos = end.unwrap_or(self.pos);
        end.is_some()
    }

    /// Where `expected` ends, if it comes next.
    fn end_of(&self, expected: &[u8]) -> Option<usize> {
        let mut at = self.over_continuations(self.pos);
        for (count, byte) in expected.iter().enumerate() {
            if count > 0 && self.dialect.operators_take_continuations {
                at = self.over_continuations(at);
            }
            if self.text.get(at) != Some(byte) {
                return None;
            }
            at += 1;
        }
        Some(at)
    }

    /// Steps over blanks, continuations and a comment.
    pub(super) fn skip_blanks(&mut self) {
        while let Some(byte) = self.peek() {
            match byte {
                b' ' | b'\t' => self.pos += 1,
                b'#' => self.skip_comment(),
                _ => return,
            }
        }
    }

    fn skip_comment(&mut self) {
        let rest = &self.text[self.pos..];
        self.pos += rest.iter().position(|&byte| byte == b'\n').unwrap_or(rest.len());
    }

    /// Steps over blanks, comments and newlines, and reads the here-documents that begin there.
    pub(super) fn skip_newlines(&mut self) -> Parsed<()> {
        loop {
            self.skip_blanks();
            match self.raw() {
                Some(b'\n') => self.newline()?,
                Some(b';')
                    if self.dialect.lone_semicolons == LoneSemicolons::Newlines
                        && !self.at_branch_end() =>
                {
                    self.pos += 1;
                }
                _ => return Ok(()),
            }
        }
    }

    /// Whether `;;`, `;&` or `;|` stands here.
    pub(super) fn at_branch_end(&self) -> bool {
        self.at(b";;") || (self.dialect.case_fall && self.at(b";&")) || self.at(b";|")
    }

    /// Steps over a newline and the here-documents behind it.
    pub(super) fn newline(&mut self) -> Parsed<()> {
        let behind_compound = !self.pending.is_empty() && self.is_behind_compound();
        self.pos += 1;
        self.here_documents(behind_compound)
    }

    /// Whether nothing but blanks and a comment stands between here and the end of the latest compound command.
    fn is_behind_compound(&self) -> bool {
        let between = self.text.get(self.compound_end..self.pos).map(<[u8]>::trim_ascii_start);
        between.is_some_and(|between| between.is_empty() || between.starts_with(b"#"))
    }

    /// Whether the text is used up.
    pub fn at_end(&mut self) -> bool {
        self.peek().is_none()
    }

    /// Runs `read` one level deeper.
    pub(super) fn deeper<T>(
        &mut self,
        read: impl FnOnce(&mut Parser<'a>) -> Parsed<T>,
    ) -> Parsed<T> {
        if self.depth >= MAX_DEPTH {
            let kind = SyntaxErrorKind::TooDeep { limit: MAX_DEPTH };
            return Err(self.error_here(kind));
        }
        self.depth += 1;
        let result = read(self);
        self.depth -= 1;
        result
    }

    /// An error at the next byte.
    pub(super) fn error_here(&self, kind: SyntaxErrorKind) -> SyntaxError {
        let end = (self.pos + 1).min(self.text.len()).max(self.pos);
        SyntaxError::new(kind, self.span(self.pos.min(self.text.len()), end))
    }

    /// What stands here cannot stand here.
    pub(super) fn unexpected<T>(&mut self, expected: &'static str) -> Parsed<T> {
        let Some(byte) = self.peek() else {
            return Err(self.error_here(SyntaxErrorKind::EndOfText { expected }));
        };
        let start = self.pos;
        let length = match byte {
            b'\n' => 1,
            b';' | b'&' | b'|' | b'<' | b'>' if self.peek_ahead(1) == Some(byte) => 2,
            b';' | b'&' | b'|' | b'<' | b'>' | b'(' | b')' => 1,
            _ => self.text[start..]
                .iter()
                .position(|&b| is_meta(b))
                .unwrap_or(self.text.len() - start),
        };
        let found = match byte {
            b'\n' => "a newline".to_string(),
            _ => {
                let shown = &self.text[start..start + length.min(40)];
                format!("`{}`", String::from_utf8_lossy(shown))
            }
        };
        let kind = SyntaxErrorKind::Unexpected { found, expected };
        Err(SyntaxError::new(kind, self.span(start, start + length)))
    }

    /// Lets a redirection wait for its here-document.
    ///
    /// # Errors
    /// More of them wait than the shell holds.
    pub(super) fn await_document(
        &mut self,
        redirect: &Redirect,
        delimiter: Vec<u8>,
        quoted: bool,
    ) -> Parsed<()> {
        let Some(cell) = &redirect.body else { return Ok(()) };
        let limit = self.dialect.most_documents;
        if self.pending.len() >= limit {
            return Err(SyntaxError::new(SyntaxErrorKind::Documents { limit }, redirect.span));
        }
        self.pending.push(PendingDocument {
            cell: cell.clone(),
            delimiter,
            quoted,
            strip_tabs: redirect.operator == super::ast::RedirectOperator::HereDocumentTabs,
            opener: redirect.span,
        });
        Ok(())
    }
}

/// Whether a byte ends an unquoted word (POSIX XCU 2.3).
pub(super) fn is_meta(byte: u8) -> bool {
    matches!(byte, b' ' | b'\t' | b'\n' | b';' | b'&' | b'|' | b'<' | b'>' | b'(' | b')')
}

/// Whether a byte can begin a name.
pub(crate) fn is_name_start(byte: u8) -> bool {
    byte.is_ascii_alphabetic() || byte == b'_'
}

/// Whether a byte can stand in a name.
pub(crate) fn is_name_byte(byte: u8) -> bool {
    byte.is_ascii_alphanumeric() || byte == b'_'
}

/// Whether the bytes are a name (POSIX XBD 3.235).
pub(crate) fn is_name(bytes: &[u8]) -> bool {
    bytes.first().is_some_and(|&b| is_name_start(b)) && bytes.iter().all(|&b| is_name_byte(b))
}
