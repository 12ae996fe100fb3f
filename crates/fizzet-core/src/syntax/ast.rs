//! The tree of a parsed shell text. Every node knows the span it was written at.
//!
//! The tree records how a word was written (which quotes, braced or not), since that is what the
//! trace explains; it holds no value.

use std::cell::OnceCell;
use std::rc::Rc;

use crate::source::Span;
use crate::stop::Reach;
use crate::syntax::error::SyntaxError;
use crate::text::Text;

/// Commands one after the other, as far as one separator or terminator allows.
#[derive(Clone, Debug, Default)]
pub struct List {
    /// In order of writing.
    pub items: Vec<AndOr>,
}

/// Pipelines joined by `&&` and `||`.
#[derive(Clone, Debug)]
pub struct AndOr {
    /// The first pipeline.
    pub first: Pipeline,
    /// The rest, each with the operator before it.
    pub rest: Vec<(Connector, Pipeline)>,
    /// Whether it ends in `&`.
    pub background: bool,
    /// All of it, without the separator.
    pub span: Span,
}

/// What stands between two pipelines of an and-or list.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Connector {
    /// `&&`
    And,
    /// `||`
    Or,
}

/// Commands joined by `|`.
#[derive(Clone, Debug)]
pub struct Pipeline {
    /// Whether an odd number of `!` stands before it.
    pub negated: bool,
    /// Whether `time` stands before it.
    pub timed: bool,
    /// The commands; never empty, except after a lone `!` or `time`.
    pub commands: Vec<Command>,
    /// All of it.
    pub span: Span,
}

/// One command with its redirections.
#[derive(Clone, Debug)]
pub struct Command {
    /// What it is.
    pub kind: CommandKind,
    /// Redirections, in order of writing.
    pub redirects: Vec<Redirect>,
    /// All of it.
    pub span: Span,
}

/// The kinds of command.
#[derive(Clone, Debug)]
pub enum CommandKind {
    /// Assignments and words.
    Simple(SimpleCommand),
    /// `{ list; }`
    Group(List),
    /// `( list )`
    Subshell(List),
    /// `if`, with its `elif` branches flattened.
    If {
        /// Condition and body of each branch.
        branches: Vec<(List, List)>,
        /// The `else` part.
        otherwise: Option<List>,
    },
    /// `while` or `until`.
    Loop {
        /// Whether it is `until`.
        until: bool,
        /// The condition.
        condition: List,
        /// The body.
        body: List,
    },
    /// `for name [in words]` or `select`.
    For {
        /// The variables, each with its place; more than one only where the shell has that.
        names: Vec<(Rc<[u8]>, Span)>,
        /// The words after `in`; `None` without `in` (then `"$@"`).
        words: Option<Vec<Word>>,
        /// The body.
        body: List,
        /// Whether it is `select`.
        select: bool,
    },
    /// `repeat count`
    Repeat {
        /// An arithmetic expression.
        count: Word,
        /// The body.
        body: List,
    },
    /// `{ list } always { list }`
    Always {
        /// What is tried.
        body: List,
        /// What is carried out behind it however it ends.
        cleanup: List,
    },
    /// `() command words` and `function command words`: a function that is called at once.
    Anonymous {
        /// The body.
        body: Rc<Command>,
        /// Its arguments.
        words: Vec<Word>,
    },
    /// `for ((start; condition; step))`
    ArithmeticFor {
        /// Before the first pass.
        start: Arithmetic,
        /// Before each pass.
        condition: Arithmetic,
        /// After each pass.
        step: Arithmetic,
        /// The body.
        body: List,
    },
    /// `case word in ... esac`
    Case {
        /// The word that is compared.
        word: Word,
        /// The branches.
        branches: Vec<CaseBranch>,
    },
    /// A function definition.
    Function {
        /// Its names; more than one only where the shell has that.
        names: Vec<Rc<[u8]>>,
        /// Its body, shared with the table of functions.
        body: Rc<Command>,
        /// Whether it was written with `function`.
        keyword: bool,
    },
    /// `[[ expression ]]`
    Conditional(Box<Condition>),
    /// `(( expression ))`
    Arithmetic(Arithmetic),
    /// `coproc [name] command`
    Coprocess {
        /// The array that gets its descriptors.
        name: Option<Rc<[u8]>>,
        /// What it carries out.
        command: Box<Command>,
    },
}

/// Assignments, then words.
#[derive(Clone, Debug, Default)]
pub struct SimpleCommand {
    /// Assignments before the first word.
    pub assignments: Vec<Assignment>,
    /// The command name and its arguments.
    pub words: Vec<Argument>,
}

/// One argument of a simple command.
#[derive(Clone, Debug)]
pub enum Argument {
    /// An ordinary word.
    Word(Word),
    /// `name=(...)` after a declaration utility such as `typeset`.
    Assignment(Box<Assignment>),
}

impl Argument {
    /// Where it is written.
    pub fn span(&self) -> Span {
        match self {
            Argument::Word(word) => word.span,
            Argument::Assignment(assignment) => assignment.span,
        }
    }
}

/// `name=value`, `name+=value`, `name[index]=value`, `name=(...)`.
#[derive(Clone, Debug)]
pub struct Assignment {
    /// The variable.
    pub name: Rc<[u8]>,
    /// The text between the brackets.
    pub index: Option<Arithmetic>,
    /// What the brackets name if that is more than one index.
    pub slice: Option<Slice>,
    /// Whether it is `+=`.
    pub append: bool,
    /// What is assigned.
    pub value: AssignedValue,
    /// All of it.
    pub span: Span,
}

/// The right-hand side of an assignment.
#[derive(Clone, Debug)]
pub enum AssignedValue {
    /// One word.
    Scalar(Word),
    /// `( ... )`
    Array(Vec<Element>),
}

/// One element of an array value: `word` or `[index]=word`.
#[derive(Clone, Debug)]
pub struct Element {
    /// The index, if it is written.
    pub index: Option<Arithmetic>,
    /// Whether it is `+=`.
    pub append: bool,
    /// The value.
    pub word: Word,
}

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
    /// Text that a brace expansion made; the parser makes none.
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

/// `<(list)` or `>(list)`.
#[derive(Clone, Debug)]
pub struct ProcessSubstitution {
    /// The commands.
    pub list: Rc<List>,
    /// Whether it is `>( )`.
    pub output: bool,
    /// With the delimiters.
    pub span: Span,
}

/// Which parameter an expansion names.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum ParameterName {
    /// A variable.
    Variable(Rc<[u8]>),
    /// `$1`, `${10}`; 0 is `$0`.
    Positional(usize),
    /// `@ * # ? - $ !`
    Special(u8),
}

impl ParameterName {
    /// The name as it is written after the `$`.
    pub fn to_bytes(&self) -> Rc<[u8]> {
        match self {
            ParameterName::Variable(name) => name.clone(),
            ParameterName::Positional(n) => n.to_string().into_bytes().into(),
            ParameterName::Special(byte) => [*byte].into(),
        }
    }
}

/// A parameter expansion.
#[derive(Clone, Debug)]
pub struct Parameter {
    /// Which parameter.
    pub name: ParameterName,
    /// `[index]`
    pub index: Option<Subscript>,
    /// What is done with its value.
    pub operation: Operation,
    /// Whether it is written `${...}`.
    pub braced: bool,
    /// All of it.
    pub span: Span,
}

/// A parameter expansion with what only zsh has: `${(U)x}`, `${=x}`, `${x:t}`, `${${x}#a}`.
#[derive(Clone, Debug)]
pub struct Flagged {
    /// The parameter, its subscript and what is done with its value.
    pub parameter: Parameter,
    /// What stands in the place of a name.
    pub inner: Option<Part>,
    /// The flags in parentheses, each with its arguments.
    pub flags: Vec<Flag>,
    /// Whether `=` asks for splitting; false for `==`.
    pub splits: Option<bool>,
    /// Whether `~` makes the value a pattern; false for `~~`.
    pub forms_patterns: Option<bool>,
    /// Whether `^` puts the word around every element; false for `^^`.
    pub distributes: Option<bool>,
    /// Whether `+` only asks if the parameter is set.
    pub tests: bool,
    /// Whether `#` asks for the length.
    pub measures: bool,
    /// A part of the value: `[2,3]`, `[(r)pattern]`.
    pub slice: Option<Slice>,
    /// Parts of that part, in the brackets behind.
    pub further: Vec<Further>,
    /// `:t`, `:s/a/b/` and their kin, in order.
    pub modifiers: Vec<Modifier>,
}

/// Brackets behind the first ones: `${x[2][1]}`.
#[derive(Clone, Debug)]
pub enum Further {
    /// One element or character.
    Index(Arithmetic),
    /// Several of them, or one that is searched for.
    Slice(Slice),
}

/// A flag of `${(flags)name}`.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Flag {
    /// Its letter.
    pub letter: u8,
    /// Its arguments, without their delimiters.
    pub arguments: Vec<Box<[u8]>>,
}

/// A subscript that is more than one index.
#[derive(Clone, Debug)]
pub enum Slice {
    /// `[first,last]`
    Range(Arithmetic, Arithmetic),
    /// `[(flags)pattern]`
    Search(Box<[u8]>, Word),
}

/// A modifier behind a colon.
#[derive(Clone, Debug)]
pub enum Modifier {
    /// One letter, such as `t` or `h`.
    Letter(u8),
    /// `h` or `t` with how many parts of a path it keeps.
    Parts(u8, usize),
    /// `s/from/to/`, and whether all are replaced.
    Replace(Box<[u8]>, Box<[u8]>, bool),
}

/// The index of an array expansion.
#[derive(Clone, Debug)]
pub enum Subscript {
    /// `[@]`
    At,
    /// `[*]`
    Star,
    /// `[expression]`
    Index(Arithmetic),
}

/// How two lists come together.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Combine {
    /// `:|`: without what the other one holds.
    Without,
    /// `:*`: only what the other one holds.
    Within,
    /// `:^`: in turn, up to the end of the shorter one.
    ZipShort,
    /// `:^^`: in turn, up to the end of the longer one.
    ZipLong,
}

/// What `${...}` does with the value.
#[derive(Clone, Debug)]
pub enum Operation {
    /// Nothing: the value itself.
    Value,
    /// `${#x}`
    Length,
    /// `${x:-w}` and its kin.
    Instead {
        /// Which of the four.
        what: Instead,
        /// With the colon: empty counts as unset.
        colon: bool,
        /// The word.
        word: Word,
    },
    /// `${x#p}`, `${x%p}` and the long forms.
    Remove {
        /// Whether from the end.
        suffix: bool,
        /// Whether the longest match.
        longest: bool,
        /// The pattern.
        pattern: Word,
    },
    /// `${x:offset:length}`
    Substring {
        /// Where to start.
        offset: Arithmetic,
        /// How many.
        length: Option<Arithmetic>,
    },
    /// `${x/p/r}` and its kin.
    Replace {
        /// Which matches.
        which: Replace,
        /// The pattern.
        pattern: Word,
        /// The replacement; `None` when the second `/` is missing.
        replacement: Option<Word>,
    },
    /// `${x^p}`, `${x,,p}` and their kin.
    Case {
        /// To which case.
        change: CaseChange,
        /// Whether every character rather than the first.
        all: bool,
        /// Which characters; `None` for all.
        pattern: Option<Word>,
    },
    /// `${x:|name}` and its kin.
    Combine {
        /// How the lists come together.
        how: Combine,
        /// The other list.
        name: Rc<[u8]>,
    },
    /// `${!x}`, and what is then done with the value of the variable that `x` names.
    Indirect(Box<Operation>),
    /// `${!x}` where it is the name that x stands for.
    Name,
    /// `${!x*}` and `${!x@}`
    Names {
        /// Whether `@`: one field a name.
        separate: bool,
    },
    /// `${!x[@]}` and `${!x[*]}`: the subscript says which.
    Keys,
    /// `${x:#pattern}`: elements that match are left out.
    Filter(Word),
    /// `${x@Q}` and its kin.
    Transform(u8),
    /// No expansion of this shell; found out only when it is expanded.
    Bad,
    /// What is only found to be no text when it is expanded, and why.
    Unreadable {
        /// Why it is none.
        why: Rc<str>,
        /// How far that reaches.
        ends: Reach,
    },
}

/// To which case `${x^}`, `${x,}` and `${x~}` change a letter.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CaseChange {
    /// `^`
    Upper,
    /// `,`
    Lower,
    /// `~`: the other one.
    Other,
}

/// The four forms with a word.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Instead {
    /// `-`
    Default,
    /// `=`
    Assign,
    /// `::=`, which assigns whether there is a value or not.
    AssignAlways,
    /// `?`
    Error,
    /// `+`
    Alternative,
}

/// Which matches `${x/p/r}` replaces.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Replace {
    /// `/`
    First,
    /// `//`
    All,
    /// `/#`
    Prefix,
    /// `/%`
    Suffix,
    /// `:/`: the whole value.
    Whole,
}

/// An arithmetic expression: text that is expanded like a double-quoted string and then read.
#[derive(Clone, Debug)]
pub struct Arithmetic {
    /// The text.
    pub word: Word,
    /// The expression, once it has been read from a text that cannot change.
    pub cached: std::cell::OnceCell<Rc<crate::syntax::arithmetic::Expression>>,
}

/// A redirection.
#[derive(Clone, Debug)]
pub struct Redirect {
    /// The file descriptor, where it is written; `{name}` is kept as a name.
    pub target: Option<RedirectTarget>,
    /// Which operator.
    pub operator: RedirectOperator,
    /// The word after it; for a here-document its delimiter.
    pub word: Word,
    /// The body of a here-document, once it has been read.
    pub body: Option<Rc<std::cell::OnceCell<Word>>>,
    /// Operator and word.
    pub span: Span,
}

/// What stands before a redirection operator.
#[derive(Clone, Debug)]
pub enum RedirectTarget {
    /// A number.
    Descriptor(u32),
    /// `{name}`
    Variable(Rc<[u8]>),
}

/// Redirection operators.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RedirectOperator {
    /// `<`
    Input,
    /// `>`
    Output,
    /// `>|`
    Clobber,
    /// `>>`
    Append,
    /// `<>`
    ReadWrite,
    /// `<&`
    DuplicateInput,
    /// `>&`
    DuplicateOutput,
    /// `&>`
    Both,
    /// `&>>`
    BothAppend,
    /// `<<`
    HereDocument,
    /// `<<-`
    HereDocumentTabs,
    /// `<<<`
    HereString,
}

/// One branch of a `case`.
#[derive(Clone, Debug)]
pub struct CaseBranch {
    /// The patterns.
    pub patterns: Vec<Word>,
    /// The body.
    pub body: List,
    /// How it ends.
    pub end: CaseEnd,
}

/// How a branch of a `case` ends.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CaseEnd {
    /// `;;`: leave the case.
    Leave,
    /// `;&`: run the next body.
    Fall,
    /// `;;&` or `;|`: go on comparing.
    Continue,
}

/// An expression of `[[ ]]`.
#[derive(Clone, Debug)]
pub enum Condition {
    /// One word: true when not empty.
    Word(Word),
    /// `-x word`
    Unary {
        /// The letter.
        operator: u8,
        /// The operand.
        operand: Word,
    },
    /// `left operator right`
    Binary {
        /// The operator as written.
        operator: Box<[u8]>,
        /// Left operand.
        left: Word,
        /// Right operand.
        right: Word,
    },
    /// `! c`
    Not(Box<Condition>),
    /// `a && b`
    And(Box<Condition>, Box<Condition>),
    /// `a || b`
    Or(Box<Condition>, Box<Condition>),
}
