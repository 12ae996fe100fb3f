//! The results: what every renderer reads, and nothing else.

use std::rc::Rc;

use crate::dialect::Shell;
use crate::kernel::Launch;
use crate::lineage::Rule;
use crate::notes::Note;
use crate::source::{Sources, Span};
use crate::state::Positional;
use crate::stop::ShellError;
use crate::syntax::SyntaxError;
use crate::text::Text;

/// How a trace ended.
#[derive(Clone, Debug)]
pub enum Ending {
    /// The whole text was traced.
    Complete,
    /// Traced, but an answer is missing.
    Incomplete,
    /// The traced shell gives up here: not a failure of the trace.
    ShellStops(ShellError),
    /// The text cannot be read.
    Syntax(SyntaxError),
    /// A stated limit was hit.
    Stopped {
        /// What there was too much of, and how much is allowed.
        message: String,
        /// Where.
        span: Span,
    },
}

/// What came of one line or script.
pub struct Trace {
    /// The shell whose rules were used.
    pub shell: Shell,
    /// All texts that spans point into.
    pub sources: Sources,
    /// Every simple command carried out, in order.
    pub commands: Vec<CommandTrace>,
    /// `$0` and the positional parameters at the end.
    pub positional: Positional,
    /// Traps that were found.
    pub notes: Vec<Note>,
    /// Answers that are missing.
    pub missing: Vec<Missing>,
    /// Errors after which the shell went on.
    pub mistakes: Vec<ShellError>,
    /// How it ended.
    pub ending: Ending,
    /// How many steps it took.
    pub steps: u64,
    /// Whether the status of an external command had to be taken as 0 to go on.
    pub assumed_status: bool,
}

/// One simple command as it was carried out.
#[derive(Clone, Debug)]
pub struct CommandTrace {
    /// The vector: the name and the arguments.
    pub argv: Rc<Vec<Text>>,
    /// The name under which the program is looked for, where that is not the first of the vector.
    pub sought: Option<Text>,
    /// What carries it out.
    pub kind: CommandKind,
    /// Whether nothing does: there is no such program, and only other shells know the name.
    pub absent: bool,
    /// Where it is written.
    pub span: Span,
    /// Its assignments, in order.
    pub assignments: Vec<AssignmentTrace>,
    /// Its redirections, in order.
    pub redirections: Vec<RedirectTrace>,
    /// Its words, in order, and which arguments each made.
    pub words: Vec<WordTrace>,
    /// Its way into the kernel, where that is followed.
    pub way: Option<Box<Launch>>,
}

impl CommandTrace {
    /// About how many bytes of memory it holds; origins that it shares with others are not counted.
    pub fn weight(&self) -> usize {
        let texts = |texts: &[Text]| texts.iter().map(Text::weight).sum::<usize>();
        let words = self.words.iter().map(WordTrace::weight).sum::<usize>();
        let assigned = self.assignments.iter().map(|one| 64 + one.value.weight()).sum::<usize>();
        let redirected =
            self.redirections.iter().map(|one| 64 + one.target.weight()).sum::<usize>();
        size_of::<CommandTrace>() + texts(&self.argv) + words + assigned + redirected
    }
}

/// What carries a command out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CommandKind {
    /// A program: it receives the vector.
    External,
    /// The shell itself.
    Builtin,
    /// The shell itself, with the rules of a special built-in utility.
    Special,
    /// A function of the script.
    Function,
    /// Nothing: there are only assignments or redirections.
    Nothing,
}

impl CommandKind {
    /// The name used in JSON.
    pub fn name(self) -> &'static str {
        match self {
            CommandKind::External => "external",
            CommandKind::Builtin => "builtin",
            CommandKind::Special => "special",
            CommandKind::Function => "function",
            CommandKind::Nothing => "none",
        }
    }
}

/// An assignment as it was carried out.
#[derive(Clone, Debug)]
pub struct AssignmentTrace {
    /// The variable.
    pub name: Rc<[u8]>,
    /// The index as it is written, where one element is assigned.
    pub index: Option<Box<[u8]>>,
    /// Its value; of an array that is assigned whole, that of its first element.
    pub value: Text,
    /// The keys and values of an array that is assigned whole.
    pub elements: Option<Vec<(Text, Text)>>,
    /// Where it is written.
    pub span: Span,
}

/// A redirection as it was expanded.
#[derive(Clone, Debug)]
pub struct RedirectTrace {
    /// Whether it is added to where the descriptor leads already.
    pub adds: bool,
    /// Whether it outlives the command: the descriptor was opened through a variable.
    pub stays: bool,
    /// The operator as written.
    pub operator: &'static str,
    /// The file or text.
    pub target: Text,
    /// The descriptor that is redirected.
    pub descriptor: u32,
    /// Whether it is standard output that is redirected.
    pub standard_output: bool,
    /// Where it is written.
    pub span: Span,
}

/// One word of a command and what came of it.
#[derive(Clone, Debug)]
pub struct WordTrace {
    /// Where it is written.
    pub span: Span,
    /// The index of the first argument it made.
    pub first: usize,
    /// How many arguments it made.
    pub count: usize,
    /// The expansions in it, in order.
    pub expansions: Vec<Expansion>,
    /// The patterns in it that matched.
    pub matched: Vec<Matched>,
    /// What each stage that changed something made of it; kept on demand.
    pub stages: Vec<StageTrace>,
}

/// What one stage of the expansion made of a word.
#[derive(Clone, Debug)]
pub struct StageTrace {
    /// Which stage.
    pub stage: Stage,
    /// The fields behind it; what is still quoted has that standing.
    pub fields: Vec<Text>,
}

/// The stages, in the order of POSIX XCU 2.6 (the braces where the shell has them).
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Stage {
    /// The word as it is written.
    Written,
    /// Brace expansion before everything else.
    Braces,
    /// Tildes, parameters, command substitutions and arithmetic, from left to right.
    Expansion,
    /// Field splitting.
    Splitting,
    /// Brace expansion of the fields.
    FieldBraces,
    /// Tildes of the fields.
    FieldTildes,
    /// Pathname expansion.
    Pathnames,
    /// Quote removal.
    QuoteRemoval,
}

impl Stage {
    /// The name used in JSON and in texts.
    pub fn name(self) -> &'static str {
        match self {
            Stage::Written => "written",
            Stage::Braces | Stage::FieldBraces => "braces",
            Stage::Expansion => "expansion",
            Stage::Splitting => "splitting",
            Stage::FieldTildes => "tilde",
            Stage::Pathnames => "pathnames",
            Stage::QuoteRemoval => "quote-removal",
        }
    }
}

impl WordTrace {
    /// A word of which nothing is known yet.
    pub fn new(span: Span, first: usize) -> WordTrace {
        WordTrace {
            span,
            first,
            count: 0,
            expansions: Vec::new(),
            matched: Vec::new(),
            stages: Vec::new(),
        }
    }

    fn weight(&self) -> usize {
        let fields = self.stages.iter().flat_map(|stage| &stage.fields);
        let stages = fields.map(Text::weight).sum::<usize>();
        let matched = self.matched.iter().map(|one| 64 + one.pattern.weight()).sum::<usize>();
        let expansions = self.expansions.len() * size_of::<Expansion>();
        size_of::<WordTrace>() + stages + matched + expansions
    }
}

/// One expansion as it was carried out.
#[derive(Clone, Debug)]
pub struct Expansion {
    /// Which kind.
    pub rule: Rule,
    /// Where it is written.
    pub span: Span,
    /// The parameter, if it is one.
    pub name: Option<Rc<[u8]>>,
    /// Whether it stands between double quotes.
    pub quoted: bool,
    /// How many values: 0 when unset, the number of parameters for `$@` and `$*`.
    pub count: usize,
    /// How many of the values are not empty.
    pub filled: usize,
}

/// A pattern that matched pathnames.
#[derive(Clone, Debug)]
pub struct Matched {
    /// The field that was the pattern.
    pub pattern: Text,
    /// Where its first active character came from.
    pub active: Span,
    /// How many pathnames.
    pub count: usize,
}

/// An answer that the trace would need.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Missing {
    /// What is not known, in plain words.
    pub what: String,
    /// Where it is asked for.
    pub span: Span,
    /// The command whose output would be the answer: its arguments, joined by spaces.
    pub command: Option<String>,
}
