//! The types of the stable JSON shape: its only definition; the JSON Schema is derived from them.

use std::borrow::Cow;
use std::rc::Rc;

use fizzet_core::notes::Note;
use fizzet_core::outline::{OutlinedCommand, OutlinedFunction, OutlinedWord};
use fizzet_core::source::Span;
use fizzet_core::stop::ShellError;
use fizzet_core::text::Text;
use fizzet_core::trace::{
    AssignmentTrace, CommandTrace, Missing, RedirectTrace, StageTrace, WordTrace,
};
use serde::{Serialize, Serializer};
use serde_json::value::RawValue;

use crate::render::json::launch::LaunchOut;
use crate::render::json::places::Places;

/// Items that are put into their shape while they are written, one after the other: a document of a
/// million arguments needs no memory of its own.
pub struct Each<'a, S, T> {
    pub(super) items: &'a [S],
    pub(super) places: &'a Places<'a>,
    pub(super) shape: fn(&'a Places<'a>, &'a S) -> T,
}

impl<S, T: Serialize> Serialize for Each<'_, S, T> {
    fn serialize<W: Serializer>(&self, serializer: W) -> Result<W::Ok, W::Error> {
        serializer.collect_seq(self.items.iter().map(|item| (self.shape)(self.places, item)))
    }
}

/// What `line` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Line<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// Whose rules were used.
    pub(super) shell: &'static str,
    /// How it ended.
    pub(super) status: Status,
    /// Every simple command carried out, in order.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Command<'static>>"))]
    pub(super) commands: Each<'a, CommandTrace, Command<'a>>,
    /// The parameters at the end.
    pub(super) params: Params<'a>,
    /// Traps that were found.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<NoteOut<'static>>"))]
    pub(super) notes: Each<'a, Note, NoteOut<'a>>,
    /// Answers that are missing.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Problem<'static>>"))]
    pub(super) missing: Each<'a, Missing, Problem<'a>>,
    /// Mistakes behind which the shell went on.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Problem<'static>>"))]
    pub(super) mistakes: Each<'a, ShellError, Problem<'a>>,
    /// Why the text was not traced to its end.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) problem: Option<Problem<'a>>,
    /// Whether the status of an external command was taken as 0 to go on.
    pub(super) assumed_status: bool,
}

/// What `line --shell all` and `walk --shell all` print.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct AllShells<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// The document of each shell.
    pub(super) shells: Vec<Line<'a>>,
    /// Shells that agree; the first group is that of the first shell.
    pub(super) groups: Vec<GroupOut>,
}

/// Shells that agree on a text.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct GroupOut {
    pub(super) shells: Vec<&'static str>,
    /// The rules by which they differ from the first group.
    pub(super) rules: Vec<RuleOut>,
}

/// A row of the table of differences.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct RuleOut {
    pub(super) name: &'static str,
    pub(super) sentence: &'static str,
}

/// How a trace ended.
#[derive(Clone, Copy, Debug, Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
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
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Command<'a> {
    /// The vector, the name included.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Arg<'static>>"))]
    pub(super) argv: Each<'a, Text, Made<Arg<'a>>>,
    /// The length of the vector.
    pub(super) argc: usize,
    /// What carries it out: external, builtin, special, function, none.
    pub(super) kind: &'static str,
    /// Where it is written.
    pub(super) source: Made<Place<'a>>,
    /// Its assignments.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<AssignmentOut<'static>>"))]
    pub(super) assignments: Each<'a, AssignmentTrace, AssignmentOut<'a>>,
    /// Its redirections.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Redirection<'static>>"))]
    pub(super) redirections: Each<'a, RedirectTrace, Redirection<'a>>,
    /// What each stage made of each word; only with `--show stages`.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Option<Vec<WordStages<'static>>>"))]
    pub(super) stages: Option<Each<'a, WordTrace, WordStages<'a>>>,
    /// Its way into the kernel; only with `--follow`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) way: Option<LaunchOut<'a>>,
}

/// The stages of one word.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct WordStages<'a> {
    pub(super) source: Made<Place<'a>>,
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<StageOut<'static>>"))]
    pub(super) stages: Each<'a, StageTrace, StageOut<'a>>,
}

/// What one stage made.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct StageOut<'a> {
    pub(super) stage: &'static str,
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Arg<'static>>"))]
    pub(super) fields: Each<'a, Text, Arg<'a>>,
}

/// An argument or another value.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Arg<'a> {
    /// The bytes as text; what is not valid UTF-8 is replaced.
    pub(super) text: Cow<'a, str>,
    /// The length in bytes.
    pub(super) length: usize,
    /// The bytes in hexadecimal, where they are not valid UTF-8.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) hex: Option<String>,
    /// Whether some bytes are not known.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub(super) unknown: bool,
    /// Whether what is not known stands outside quotes, so that it may be any number of arguments.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub(super) several: bool,
    /// Where the bytes came from, in order.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Option<Vec<Piece<'static>>>"))]
    pub(super) pieces: Option<Pieces<'a>>,
}

/// The pieces of a text, put into their shape while they are written.
pub struct Pieces<'a> {
    pub(super) text: &'a Text,
    pub(super) places: &'a Places<'a>,
}

impl Serialize for Pieces<'_> {
    fn serialize<W: Serializer>(&self, serializer: W) -> Result<W::Ok, W::Error> {
        let runs = self.text.runs();
        serializer.collect_seq(runs.map(|(run, bytes)| self.places.piece(run, bytes)))
    }
}

/// Bytes with one origin.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Piece<'a> {
    /// The bytes as text.
    pub(super) text: Cow<'a, str>,
    /// The bytes in hexadecimal, where they are not valid UTF-8.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) hex: Option<String>,
    /// What put them there.
    pub(super) rule: &'static str,
    /// Whether they were quoted.
    pub(super) quoted: bool,
    /// Whether bytes belong here that are not known.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub(super) unknown: bool,
    /// Where that is written.
    pub(super) source: Made<Place<'a>>,
    /// The whole way, latest first; only with `--show lineage`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) lineage: Option<Vec<HopOut<'a>>>,
}

/// One step on the way of some bytes.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct HopOut<'a> {
    pub(super) rule: &'static str,
    /// The parameter concerned.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) name: Option<Cow<'a, str>>,
    /// How far `shift` had moved the positional parameters.
    #[serde(skip_serializing_if = "is_zero")]
    pub(super) shifted: u32,
    /// Steps behind this one that are not kept.
    #[serde(skip_serializing_if = "is_zero")]
    pub(super) folded: u32,
    pub(super) source: Made<Place<'a>>,
}

fn is_zero(count: &u32) -> bool {
    *count == 0
}

/// A place in a text: byte offsets, half open; line and column from 1, the column in characters.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Place<'a> {
    /// The text.
    #[serde(rename = "in")]
    pub(super) source: Cow<'a, str>,
    /// First byte.
    pub(super) start: u32,
    /// One past the last byte.
    pub(super) end: u32,
    /// Line.
    pub(super) line: usize,
    /// Column.
    pub(super) column: usize,
}

/// Something in its shape, or as it was written when the same was met before.
pub enum Made<T> {
    /// To be written.
    Now(T),
    /// Written before.
    Before(Rc<RawValue>),
}

impl<T: Serialize> Serialize for Made<T> {
    fn serialize<W: Serializer>(&self, serializer: W) -> Result<W::Ok, W::Error> {
        match self {
            Made::Now(shape) => shape.serialize(serializer),
            Made::Before(written) => written.serialize(serializer),
        }
    }
}

#[cfg(any(test, feature = "schema"))]
impl<T: schemars::JsonSchema> schemars::JsonSchema for Made<T> {
    fn schema_name() -> Cow<'static, str> {
        T::schema_name()
    }

    fn schema_id() -> Cow<'static, str> {
        T::schema_id()
    }

    fn json_schema(generator: &mut schemars::SchemaGenerator) -> schemars::Schema {
        T::json_schema(generator)
    }
}

/// `$0` and the positional parameters.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Params<'a> {
    pub(super) zero: Arg<'a>,
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Arg<'static>>"))]
    pub(super) positional: Each<'a, Text, Arg<'a>>,
}

/// An assignment of a command.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct AssignmentOut<'a> {
    pub(super) name: Cow<'a, str>,
    /// The index as it is written, where one element is assigned.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) index: Option<Cow<'a, str>>,
    /// The value; of an array that is assigned whole, that of its first element.
    pub(super) value: Arg<'a>,
    /// All elements of an array that is assigned whole.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Option<Vec<ElementOut<'static>>>"))]
    pub(super) elements: Option<Each<'a, (Text, Text), ElementOut<'a>>>,
    pub(super) source: Made<Place<'a>>,
}

/// An element of an array.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ElementOut<'a> {
    pub(super) key: Arg<'a>,
    pub(super) value: Arg<'a>,
}

/// A redirection of a command.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Redirection<'a> {
    pub(super) operator: &'static str,
    pub(super) target: Arg<'a>,
    pub(super) source: Made<Place<'a>>,
}

/// A trap that was found.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct NoteOut<'a> {
    pub(super) name: &'static str,
    pub(super) message: Cow<'a, str>,
    pub(super) instead: &'a str,
    pub(super) command: usize,
    pub(super) source: Made<Place<'a>>,
}

/// Something that is in the way, and where.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Problem<'a> {
    pub(super) message: Cow<'a, str>,
    pub(super) source: Made<Place<'a>>,
}

/// What `receive` prints and records.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct Received<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// The vector as it arrived.
    pub(super) argv: Vec<Arg<'a>>,
    /// Its length.
    pub(super) argc: usize,
    /// Words in front of the arguments that `fizzet receive` took for itself.
    pub(super) taken: Vec<Arg<'a>>,
}

/// One line of what `walk` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
#[serde(tag = "event", rename_all = "lowercase")]
pub enum Event<'a> {
    /// A command is carried out.
    Command(Command<'a>),
    /// The positional parameters have changed.
    Params(ParamsEvent<'a>),
    /// A built-in utility has printed something.
    Output(Arg<'a>),
    /// A trap was found.
    Note(NoteOut<'a>),
    /// The walk has ended.
    End(End<'a>),
}

/// A change of the positional parameters.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ParamsEvent<'a> {
    /// What changed them: set, shift, call, return, source.
    pub(super) cause: &'static str,
    /// By how many places `shift` moved them.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) by: Option<usize>,
    /// How many there were.
    pub(super) before: usize,
    /// How many there are.
    pub(super) count: usize,
    /// The new ones; left out where they are known from before: behind shift and return.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Option<Vec<Arg<'static>>>"))]
    pub(super) positional: Option<Each<'a, Text, Arg<'a>>>,
    /// The command that changed them.
    pub(super) source: Made<Place<'a>>,
}

/// The end of a walk.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct End<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// Whose rules were used.
    pub(super) shell: &'static str,
    /// How it ended.
    pub(super) status: Status,
    /// Steps taken.
    pub(super) steps: u64,
    /// The exit status of the script.
    pub(super) exit: i32,
    /// Whether the walk was left before the end of the script, as asked.
    pub(super) left_early: bool,
    /// The parameters at the end.
    pub(super) params: Params<'a>,
    /// Answers that are missing.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Problem<'static>>"))]
    pub(super) missing: Each<'a, Missing, Problem<'a>>,
    /// Mistakes behind which the shell went on.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Problem<'static>>"))]
    pub(super) mistakes: Each<'a, ShellError, Problem<'a>>,
    /// Why the script was not walked to its end.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) problem: Option<Problem<'a>>,
    /// Whether the status of an external command was taken as 0 to go on.
    pub(super) assumed_status: bool,
}

/// What `outline` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct OutlineOut<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// Whose grammar was used.
    pub(super) shell: &'static str,
    /// The simple commands in order of writing.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<OutlinedOut<'static>>"))]
    pub(super) commands: Each<'a, OutlinedCommand, OutlinedOut<'a>>,
    /// The functions in order of definition.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<FunctionOut<'static>>"))]
    pub(super) functions: Each<'a, OutlinedFunction, FunctionOut<'a>>,
}

/// A simple command as it is written.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct OutlinedOut<'a> {
    /// The text.
    pub(super) text: Cow<'a, str>,
    /// The function that it is part of.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) function: Option<Cow<'a, str>>,
    /// Its words.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<OutlinedWordOut<'static>>"))]
    pub(super) words: Each<'a, OutlinedWord, OutlinedWordOut<'a>>,
    /// Where it is written.
    pub(super) source: Made<Place<'a>>,
}

/// A word of a command as it is written.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct OutlinedWordOut<'a> {
    /// The text.
    pub(super) text: Cow<'a, str>,
    /// How many arguments it makes: fixed, one, any.
    pub(super) makes: &'static str,
    /// What in it makes any number.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) why: Option<&'static str>,
    /// Where it is written.
    pub(super) source: Made<Place<'a>>,
}

/// A function.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct FunctionOut<'a> {
    /// Its name.
    pub(super) name: Cow<'a, str>,
    /// Where it is defined.
    pub(super) source: Made<Place<'a>>,
    /// The commands that call it by its name.
    #[cfg_attr(any(test, feature = "schema"), schemars(with = "Vec<Place<'static>>"))]
    pub(super) calls: Each<'a, Span, Made<Place<'a>>>,
}

/// What `spread` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SpreadOut<'a> {
    /// The version of the shape.
    pub(super) fizzet: u32,
    /// The shell that was chosen.
    pub(super) shell: &'static str,
    /// The parameters.
    pub(super) positional: Vec<Arg<'a>>,
    /// Each form with the IFS that was chosen, then with several values of IFS.
    pub(super) tables: Vec<SpreadTable<'a>>,
}

/// All forms for one IFS.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SpreadTable<'a> {
    /// Which IFS: chosen, default, empty, unset, comma, colon.
    pub(super) ifs: &'static str,
    /// The forms.
    pub(super) forms: Vec<SpreadForm<'a>>,
}

/// One form.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SpreadForm<'a> {
    /// As it is written.
    pub(super) form: &'static str,
    /// The arguments; left out where the shell does not have the form.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) arguments: Option<Vec<Arg<'a>>>,
    /// Shells in which it makes something else.
    pub(super) others: Vec<SpreadOther<'a>>,
}

/// Shells that make something else of a form.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SpreadOther<'a> {
    /// The shells.
    pub(super) shells: Vec<&'static str>,
    /// What they make; left out where they do not have the form.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub(super) arguments: Option<Vec<Arg<'a>>>,
}
