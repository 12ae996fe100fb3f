//! The stable JSON shape. These types are its only definition; the JSON Schema is derived from them.

use std::collections::HashMap;
use std::io::Write;

use bstr::ByteSlice;
use fizzet_core::dialect::Row;
use fizzet_core::lineage::Origin;
use fizzet_core::source::{SourceId, Sources, Span};
use fizzet_core::text::Text;
use fizzet_core::trace::{CommandTrace, Ending, StageTrace, Trace, WordTrace};
use serde::Serialize;

use crate::cli::Show;
use crate::failure::Failure;
use crate::render::shells::Group;

/// The version of the shape.
const VERSION: u32 = 1;

/// What `line` prints.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Line {
    /// The version of the shape.
    fizzet: u32,
    /// Whose rules were used.
    shell: &'static str,
    /// How it ended.
    status: Status,
    /// Every simple command carried out, in order.
    commands: Vec<Command>,
    /// The parameters at the end.
    params: Params,
    /// Traps that were found.
    notes: Vec<NoteOut>,
    /// Answers that are missing.
    missing: Vec<Problem>,
    /// Why the text was not traced to its end.
    #[serde(skip_serializing_if = "Option::is_none")]
    problem: Option<Problem>,
    /// Whether the status of an external command was taken as 0 to go on.
    assumed_status: bool,
}

/// What `line --shell all` prints.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct AllShells {
    /// The version of the shape.
    fizzet: u32,
    /// The document of each shell.
    shells: Vec<Line>,
    /// Shells that agree; the first group is that of the first shell.
    groups: Vec<GroupOut>,
}

/// Shells that agree on a text.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct GroupOut {
    shells: Vec<&'static str>,
    /// The rules by which they differ from the first group.
    rules: Vec<RuleOut>,
}

/// A row of the table of differences.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct RuleOut {
    name: &'static str,
    sentence: &'static str,
}

/// How a trace ended.
#[derive(Clone, Copy, Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
#[serde(rename_all = "lowercase")]
pub enum Status {
    /// Traced whole; where `problem` is there, the traced shell itself gives up at that place.
    Complete,
    /// An answer is missing.
    Incomplete,
    /// Stopped at a limit.
    Stopped,
    /// The text cannot be read.
    Error,
}

/// One simple command.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Command {
    /// The vector, the name included.
    argv: Vec<Arg>,
    /// The length of the vector.
    argc: usize,
    /// What carries it out: external, builtin, special, function, none.
    kind: &'static str,
    /// Where it is written.
    source: Place,
    /// Its assignments.
    assignments: Vec<AssignmentOut>,
    /// Its redirections.
    redirections: Vec<Redirection>,
    /// What each stage made of each word; only with `--show stages`.
    #[serde(skip_serializing_if = "Option::is_none")]
    stages: Option<Vec<WordStages>>,
}

/// The stages of one word.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct WordStages {
    source: Place,
    stages: Vec<StageOut>,
}

/// What one stage made.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct StageOut {
    stage: &'static str,
    fields: Vec<Arg>,
}

/// An argument or another value.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Arg {
    /// The bytes as text; what is not valid UTF-8 is replaced.
    text: String,
    /// The length in bytes.
    length: usize,
    /// The bytes in hexadecimal, where they are not valid UTF-8.
    #[serde(skip_serializing_if = "Option::is_none")]
    hex: Option<String>,
    /// Whether some bytes are not known.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    unknown: bool,
    /// Where the bytes came from, in order.
    #[serde(skip_serializing_if = "Option::is_none")]
    pieces: Option<Vec<Piece>>,
}

/// Bytes with one origin.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Piece {
    /// The bytes as text.
    text: String,
    /// The bytes in hexadecimal, where they are not valid UTF-8.
    #[serde(skip_serializing_if = "Option::is_none")]
    hex: Option<String>,
    /// What put them there.
    rule: &'static str,
    /// Whether they were quoted.
    quoted: bool,
    /// Where that is written.
    source: Place,
    /// The whole way, latest first; only with `--show lineage`.
    #[serde(skip_serializing_if = "Option::is_none")]
    lineage: Option<Vec<HopOut>>,
}

/// One step on the way of some bytes.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct HopOut {
    rule: &'static str,
    /// The parameter concerned.
    #[serde(skip_serializing_if = "Option::is_none")]
    name: Option<String>,
    /// How far `shift` had moved the positional parameters.
    #[serde(skip_serializing_if = "is_zero")]
    shifted: usize,
    /// Steps behind this one that are not kept.
    #[serde(skip_serializing_if = "is_none_folded")]
    folded: u64,
    source: Place,
}

fn is_zero(count: &usize) -> bool {
    *count == 0
}

fn is_none_folded(count: &u64) -> bool {
    *count == 0
}

/// A place in a text: byte offsets, half open; line and column from 1, the column in characters.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Place {
    /// The text.
    #[serde(rename = "in")]
    source: String,
    /// First byte.
    start: u32,
    /// One past the last byte.
    end: u32,
    /// Line.
    line: usize,
    /// Column.
    column: usize,
}

#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct Params {
    zero: Arg,
    positional: Vec<Arg>,
}

#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct AssignmentOut {
    name: String,
    value: Arg,
    source: Place,
}

#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct Redirection {
    operator: &'static str,
    target: Arg,
    source: Place,
}

#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct NoteOut {
    name: &'static str,
    message: String,
    instead: String,
    command: usize,
    source: Place,
}

#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
struct Problem {
    message: String,
    source: Place,
}

/// What `receive` prints and records.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(schemars::JsonSchema))]
pub struct Received {
    /// The version of the shape.
    fizzet: u32,
    /// The vector as it arrived.
    argv: Vec<Arg>,
    /// Its length.
    argc: usize,
    /// Words in front of the arguments that `fizzet receive` took for itself.
    taken: Vec<Arg>,
}

impl Received {
    /// The wire form of a vector.
    pub fn new(vector: &[Vec<u8>], taken: &[Vec<u8>]) -> Received {
        let plain = |bytes: &Vec<u8>| Arg::of_bytes(bytes, None, false);
        Received {
            fizzet: VERSION,
            argv: vector.iter().map(plain).collect(),
            argc: vector.len(),
            taken: taken.iter().map(plain).collect(),
        }
    }
}

fn document(trace: &Trace, show: &[Show]) -> Line {
    Places::new(&trace.sources, show).line(trace)
}

/// Writes the document of `line --shell all`.
///
/// # Errors
/// What the writer says.
pub fn shells(
    traces: &[Trace],
    groups: &[Group],
    show: &[Show],
    out: &mut dyn Write,
) -> Result<(), Failure> {
    let rule = |row: &&'static Row| RuleOut { name: row.name, sentence: row.sentence.trim() };
    let group = |group: &Group| GroupOut {
        shells: group.shells.iter().map(|shell| shell.name()).collect(),
        rules: group.rules.iter().map(rule).collect(),
    };
    let document = AllShells {
        fizzet: VERSION,
        shells: traces.iter().map(|trace| document(trace, show)).collect(),
        groups: groups.iter().map(group).collect(),
    };
    serde_json::to_writer(&mut *out, &document)?;
    out.write_all(b"\n")?;
    Ok(())
}

/// Writes the document of `line`.
///
/// # Errors
/// What the writer says.
pub fn line(trace: &Trace, show: &[Show], out: &mut dyn Write) -> Result<(), Failure> {
    let document = document(trace, show);
    serde_json::to_writer(&mut *out, &document)?;
    out.write_all(b"\n")?;
    Ok(())
}

impl Arg {
    fn of_bytes(bytes: &[u8], pieces: Option<Vec<Piece>>, unknown: bool) -> Arg {
        let (text, hex) = text_and_hex(bytes);
        Arg { text, length: bytes.len(), hex, unknown, pieces }
    }
}

fn text_and_hex(bytes: &[u8]) -> (String, Option<String>) {
    match std::str::from_utf8(bytes) {
        Ok(text) => (text.into(), None),
        Err(_) => {
            let hex = bytes.iter().map(|byte| format!("{byte:02x}")).collect();
            (String::from_utf8_lossy(bytes).into_owned(), Some(hex))
        }
    }
}

/// Turns spans into places. Spans come mostly in the order of their text, so lines and columns are
/// counted on from the latest place in each source.
struct Places<'a> {
    sources: &'a Sources,
    /// Whether pieces tell their whole way.
    lineage: bool,
    /// Whether words tell their stages.
    stages: bool,
    latest: HashMap<SourceId, Counted>,
}

/// Where counting has come to in one source.
#[derive(Clone, Copy)]
struct Counted {
    at: usize,
    line: usize,
    column: usize,
}

impl<'a> Places<'a> {
    fn new(sources: &'a Sources, show: &[Show]) -> Places<'a> {
        let (lineage, stages) = (show.contains(&Show::Lineage), show.contains(&Show::Stages));
        Places { sources, lineage, stages, latest: HashMap::new() }
    }

    fn place(&mut self, span: Span) -> Place {
        let source = self.sources.get(span.source);
        let start = (span.start as usize).min(source.bytes.len());
        let first = Counted { at: 0, line: 1, column: 1 };
        let mut counted = self.latest.get(&span.source).copied().unwrap_or(first);
        if counted.at > start {
            counted = first;
        }
        let passed = &source.bytes[counted.at..start];
        match passed.rfind_byte(b'\n') {
            Some(newline) => {
                counted.line += passed.iter().filter(|&&byte| byte == b'\n').count();
                counted.column = passed[newline + 1..].chars().count() + 1;
            }
            None => counted.column += passed.chars().count(),
        }
        counted.at = start;
        self.latest.insert(span.source, counted);
        let Counted { line, column, .. } = counted;
        Place { source: source.kind.name(), start: span.start, end: span.end, line, column }
    }

    fn line(&mut self, trace: &Trace) -> Line {
        let (status, problem) = match &trace.ending {
            Ending::Complete => (Status::Complete, None),
            Ending::Incomplete => (Status::Incomplete, None),
            Ending::ShellStops(error) => {
                (Status::Complete, Some(self.problem(error.message.clone(), error.span)))
            }
            Ending::Syntax(error) => {
                (Status::Error, Some(self.problem(error.to_string(), error.span)))
            }
            Ending::Stopped { message, span } => {
                (Status::Stopped, Some(self.problem(message.clone(), *span)))
            }
        };
        Line {
            fizzet: VERSION,
            shell: trace.shell.name(),
            status,
            commands: trace.commands.iter().map(|command| self.command(command)).collect(),
            params: Params {
                zero: self.arg(&trace.zero),
                positional: trace.positional.iter().map(|text| self.arg(text)).collect(),
            },
            notes: trace
                .notes
                .iter()
                .map(|note| NoteOut {
                    name: note.name,
                    message: note.message.clone(),
                    instead: note.instead.clone(),
                    command: note.command,
                    source: self.place(note.span),
                })
                .collect(),
            missing: trace
                .missing
                .iter()
                .map(|missing| self.problem(missing.what.clone(), missing.span))
                .collect(),
            problem,
            assumed_status: trace.assumed_status,
        }
    }

    fn problem(&mut self, message: String, span: Span) -> Problem {
        Problem { message, source: self.place(span) }
    }

    fn command(&mut self, command: &CommandTrace) -> Command {
        Command {
            argv: command.argv.iter().map(|text| self.arg(text)).collect(),
            argc: command.argv.len(),
            kind: command.kind.name(),
            source: self.place(command.span),
            assignments: command
                .assignments
                .iter()
                .map(|assignment| AssignmentOut {
                    name: String::from_utf8_lossy(&assignment.name).into_owned(),
                    value: self.arg(&assignment.value),
                    source: self.place(assignment.span),
                })
                .collect(),
            redirections: command
                .redirections
                .iter()
                .map(|redirection| Redirection {
                    operator: redirection.operator,
                    target: self.arg(&redirection.target),
                    source: self.place(redirection.span),
                })
                .collect(),
            stages: self
                .stages
                .then(|| command.words.iter().map(|word| self.word_stages(word)).collect()),
        }
    }

    fn word_stages(&mut self, word: &WordTrace) -> WordStages {
        let stage = |stage: &StageTrace| StageOut {
            stage: stage.stage.name(),
            fields: stage.fields.iter().map(|text| self.arg(text)).collect(),
        };
        let stages = word.stages.iter().map(stage).collect();
        WordStages { source: self.place(word.span), stages }
    }

    fn arg(&mut self, text: &Text) -> Arg {
        let pieces = text
            .runs()
            .map(|(run, bytes)| self.piece(bytes, run.is_quoted(), &run.origin))
            .collect();
        Arg::of_bytes(text.bytes(), Some(pieces), text.has_hole())
    }

    fn piece(&mut self, bytes: &[u8], quoted: bool, origin: &Origin) -> Piece {
        let (text, hex) = text_and_hex(bytes);
        let source = self.place(origin.span());
        let lineage = self.lineage.then(|| origin.hops().map(|origin| self.hop(origin)).collect());
        Piece { text, hex, rule: origin.rule().name(), quoted, source, lineage }
    }

    fn hop(&mut self, origin: &Origin) -> HopOut {
        let hop = origin.hop();
        HopOut {
            rule: hop.rule.name(),
            name: hop.name.as_ref().map(|name| String::from_utf8_lossy(name).into_owned()),
            shifted: hop.shifted,
            folded: origin.folded(),
            source: self.place(hop.span),
        }
    }
}
