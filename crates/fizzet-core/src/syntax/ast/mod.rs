//! The tree of a parsed shell text. Every node knows the span it was written at.
//!
//! The tree records how a word was written (which quotes, braced or not), since that is what the
//! trace explains; it holds no value.

mod parameter;
mod word;

use std::rc::Rc;

pub use parameter::*;
pub use word::*;

use crate::source::Span;

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
    /// Whether it ends in the `|&` that begins a coprocess.
    pub is_coprocess: bool,
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
    /// The commands; never empty, except after a lone `!` or `time`, and where a lone semicolon
    /// is one.
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
    /// A pipeline that begins with `!` or `time` where one command may stand, as behind a bar.
    Pipeline(Box<Pipeline>),
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
        /// Words that the names are made of when the definition is carried out; nothing where `names` has them.
        words: Vec<Word>,
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
        /// What names the array that gets its descriptors.
        name: Option<Word>,
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
    /// The way to the variable from one that it stands inside, where indexes are on that way.
    pub path: Option<Rc<Word>>,
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
    /// `(name=value ...)`, where that makes a compound variable.
    Members(Rc<Members>),
}

/// The members of a compound variable.
#[derive(Clone, Debug)]
pub struct Members {
    /// What makes them: assignments and declarations.
    pub commands: Vec<Command>,
    /// The same as the elements of a list, which they are for a variable that is one.
    pub elements: Option<Vec<Element>>,
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
    /// What the value is instead, where it is no text.
    pub nested: Option<Box<AssignedValue>>,
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

impl Redirect {
    /// How many descriptors it changes.
    pub fn weight(&self) -> usize {
        match self.operator {
            RedirectOperator::Both
            | RedirectOperator::BothClobber
            | RedirectOperator::BothAppend => 2,
            _ => 1,
        }
    }
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
    /// `&>|`
    BothClobber,
    /// `&>>`
    BothAppend,
    /// `&>&`: two copies in one, of which the parser makes two redirections.
    BothDuplicate,
    /// `<<`
    HereDocument,
    /// `<<-`
    HereDocumentTabs,
    /// `<<<`
    HereString,
}

impl RedirectOperator {
    /// The operator as it is written.
    pub fn sign(self) -> &'static str {
        match self {
            RedirectOperator::Input => "<",
            RedirectOperator::Output => ">",
            RedirectOperator::Clobber => ">|",
            RedirectOperator::Append => ">>",
            RedirectOperator::ReadWrite => "<>",
            RedirectOperator::DuplicateInput => "<&",
            RedirectOperator::DuplicateOutput => ">&",
            RedirectOperator::Both => "&>",
            RedirectOperator::BothClobber => "&>|",
            RedirectOperator::BothAppend => "&>>",
            RedirectOperator::BothDuplicate => "&>&",
            RedirectOperator::HereDocument => "<<",
            RedirectOperator::HereDocumentTabs => "<<-",
            RedirectOperator::HereString => "<<<",
        }
    }

    /// The descriptor that is changed where none is written.
    pub fn descriptor(self) -> u32 {
        u32::from(!self.sign().starts_with('<'))
    }
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
    /// A test by a name that the shell looks for as it carries it out, with its operands: `-between a b`
    Named(Vec<Word>),
    /// `left operator right`
    Binary {
        /// The operator as written.
        operator: Box<[u8]>,
        /// Left operand.
        left: Word,
        /// Right operand.
        right: Word,
    },
    /// `( c )`
    Group(Box<Condition>),
    /// `! c`
    Not(Box<Condition>),
    /// `a && b`
    And(Box<Condition>, Box<Condition>),
    /// `a || b`
    Or(Box<Condition>, Box<Condition>),
}
