//! How a shell reads its text.

use crate::stop::Status;

/// What single quotes hide in an expression, so that it neither ends it nor is expanded.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum HidingQuotes {
    /// Nothing.
    None,
    /// All that is between two in the brackets of an index; one character elsewhere.
    InBrackets,
    /// All that is between two: one that nothing closes is a mistake.
    All,
}

/// Where a name with a parenthesis behind it is no alias.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SparedFunctions {
    /// Nowhere.
    Never,
    /// Where nothing stands between them.
    Adjacent,
    /// Also where blanks do.
    All,
}

/// Behind which `$` a line continuation may stand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DollarContinuations {
    /// Behind any.
    All,
    /// Behind one before an opening brace outside quotes.
    Braces,
    /// Behind any outside quotes; in quotes behind one before a name.
    Names,
}

/// When the lines of a here-document become one that end in a backslash.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum JoinedLines {
    /// When its words are read: not between the single quotes of a command in it.
    WithWords,
    /// The same; behind tabs that vanish, a backslash that is all of a line is text, and the next line too.
    InTurn,
    /// First of all.
    First,
    /// First of all; the tabs of the second line stay where others vanish.
    FirstWithTabs,
}

impl JoinedLines {
    /// Whether that comes before anything else.
    pub(crate) fn is_first(self) -> bool {
        matches!(self, JoinedLines::First | JoinedLines::FirstWithTabs)
    }
}

/// What a shell keeps of the number of a positional parameter.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ParameterNumbers {
    /// Its lower 32 bits.
    Of32Bits,
    /// All of it.
    Any,
    /// All of it; one that does not fit into 64 bits is 1.
    FirstBeyond64Bits,
}

/// What an expression is whose two closing parentheses stand on two lines.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SplitEnd {
    /// An expression.
    Expression,
    /// An expression behind `$`, else a mistake.
    MistakeOfCommands,
    /// A subshell in a command substitution.
    Commands,
}

/// What may be the body of a function that is written with `function`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeywordBodies {
    /// What may be the body of any function.
    Any,
    /// What may be the body of any function, but no subshell.
    NoSubshell,
    /// A compound command, but no subshell; anything behind `()`.
    Compound,
    /// Braces.
    Braces,
    /// Braces, and words before them that count for nothing.
    BracesBehindWords,
}

/// Which compound commands may have no commands in them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyBodies {
    /// None.
    Never,
    /// All but the branches of `if`, whose condition, where it is empty, holds and leaves the status alone.
    OutsideIf,
    /// All.
    Anywhere,
}

/// What becomes of a constant that is too large for a whole number.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LargeConstant {
    /// Its low bits.
    Wraps,
    /// The largest number.
    Saturates,
    /// 0
    Vanishes,
    /// The digits that do not fit are left out.
    Truncates,
    /// A real number; so are results that are too large.
    Real,
}

/// What a constant with a base and no digits is: `2#`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyDigits {
    /// A mistake.
    Refused,
    /// 0.
    Zero,
    /// 0, if the base is 10 or larger.
    ZeroFromTen,
}

/// What brackets behind a name at the start of a command are.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CommandBrackets {
    /// Text like any other.
    Text,
    /// Part of the word up to the closing bracket, with blanks, connectors and newlines.
    Word,
    /// The same, but nothing inside quotes or is expanded, and the end of the line ends them.
    Raw,
}

/// When words that look like assignments are such wherever they stand (`set -k`).
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Keywords {
    /// Never.
    None,
    /// Where the option is on when the command is read; declaration utilities keep theirs.
    Read,
    /// And those of declaration utilities too, which get none then.
    ReadEverywhere,
    /// Where the option is on when the command is carried out.
    CarriedOut,
}

/// Where lines that are continued make up the delimiter of a here-document together.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Continued {
    /// Nowhere.
    Never,
    /// Where all but the last hold nothing else.
    AtStart,
    /// Everywhere, behind the tabs of the first line.
    BehindTabs,
    /// Everywhere, behind the tabs of the joined line.
    Joined,
}

/// When a delimiter behind `<<-` that begins with tabs is found.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DelimiterTabs {
    /// Never.
    Never,
    /// On a line that is like it.
    AsWritten,
    /// On a line that is like it without tabs.
    Stripped,
}

/// What ends a here-document besides a line that is its delimiter.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DocumentEnd {
    /// Nothing.
    Line,
    /// The delimiter at the start of a line, and `)` behind it.
    BeforeParenthesis,
    /// The same, where a parenthesis around commands is open.
    BeforeCloser,
    /// The delimiter at the start of a line that holds a `)` later on, inside `$(`.
    InSubstitution,
}

/// Which parentheses the pattern of an operation may hold without quotes: `${x#(}`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OperationParentheses {
    /// Any.
    Any,
    /// Pairs that do not begin the word; others are a syntax error, also in the text of `${x/a/b}`.
    Groups,
    /// Pairs, and one that closes nothing if it does not stand in `${x/a/b}`; others are a syntax error.
    Pairs,
}

/// How the constants of reals are written.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RealConstants {
    /// As in C, in decimal.
    Plain,
    /// Also in hexadecimal with a fraction or an exponent of two; an exponent may have no digits and wraps as
    /// 32 bits do, a point alone is 0, zeros may stand before `0x`; only zeros without a point take no exponent.
    Lenient,
}

/// What quotes in an arithmetic expression do.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Quotes {
    /// They are taken away.
    Vanish,
    /// They stand for themselves, which makes no expression.
    Stay,
    /// They separate as blanks do; between single quotes stands a character for its code.
    Separate,
}

/// When `a{b,c}` makes two words.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Braces {
    /// Never.
    None,
    /// Before anything else is expanded, as it is written.
    Written,
    /// After all other expansions, in each field.
    Fields,
}

/// What `${!x}` expands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Indirection {
    /// There is none.
    None,
    /// The variable that the value of x names.
    Value,
    /// The name of x itself, or of the variable that it refers to.
    Name,
}

/// Which ranges such as `{1..3}` there are.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BraceRanges {
    /// None.
    None,
    /// Of numbers and letters; a bound with a leading zero pads all numbers.
    Padded,
    /// Of numbers as C reads them, with a conversion of C at the end, and of letters of one case.
    Plain,
    /// As padded, of any characters; a negative step turns the words round.
    Turned,
}

/// What a backslash at the very end of a text does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LastBackslash {
    /// It stands for itself.
    Stays,
    /// It vanishes behind other text of its word, and else stands for itself.
    VanishesBehindText,
    /// It vanishes.
    Vanishes,
    /// It is empty quotes.
    Quotes,
}

/// Where the name of a command is looked up as an alias though something stands before it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AliasesBehind {
    /// Behind assignments and redirections.
    Both,
    /// Behind either; behind assignments only if the last of them is what stands before it.
    Either,
}

/// What stands between the text of an alias and the text behind its name.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EndOfAlias {
    /// Nothing: a number at its end and `>` behind it make one operator.
    Joined,
    /// A blank, unless one stands behind the name.
    BlankUnlessThere,
    /// A blank, unless the text ends in a blank, an operator, an escape, a comment or inside quotes.
    BlankBehindWord,
}

/// Where words are looked up as aliases behind the text of an alias that ends in a blank.
#[derive(Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Debug)]
pub enum AliasesBehindBlank {
    /// In simple commands, in the list of a loop and in that of an array.
    Lists,
    /// And where a name, `in` or the pattern of a compound command, an operand of `[[` or a file stands.
    Anywhere,
}

/// Where a semicolon may stand with no command before it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoneSemicolons {
    /// Nowhere.
    None,
    /// Where a command of a list may stand, but in no condition, and never two.
    One,
    /// Where a newline may stand.
    Newlines,
}

/// What `#` means in arithmetic where a value stands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ArithmeticSign {
    /// It is an error.
    Error,
    /// 0
    Zero,
    /// The number of parameters; `#name` and `##c` are codes of characters.
    Parameters,
}

/// What quotes and backslashes in the word of `${x-word}` do in a here-document.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DocumentQuotes {
    /// What they do between double quotes.
    Quoted,
    /// Between double quotes a backslash quotes whatever follows.
    BackslashQuotes,
    /// The same, and single quotes quote there.
    SinglesToo,
    /// What they do between double quotes, but a backslash does not quote those.
    Unescaped,
    /// Outside double quotes a backslash quotes whatever follows; between them `\\"` stays.
    BackslashOutside,
}

/// What a backquoted command does that cannot be read as a whole.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadLate {
    /// It is an error of the text around it.
    No,
    /// What could be read before it is carried out; then it has this status.
    Status(Status),
    /// What could be read before it is carried out; the rest is passed over, unless nothing could be.
    Rest,
    /// It ends the shell when it is reached.
    Fatal,
}

/// Which command substitutions are read once more when they are carried out, with the aliases of then.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadAnew {
    /// None.
    No,
    /// All, as a whole.
    Whole,
    /// All, one line of commands after the other: what a line changes counts from the next one on.
    ByLine,
    /// The same, but only those in backquotes.
    BackquotesByLine,
}

/// What quotes or expansions in the name of a function that is defined do.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum QuotedNames {
    /// They are an error of grammar.
    Refused,
    /// They are expanded when the definition is carried out, to any number of names.
    Expanded,
    /// Quotes are taken away, and what is left must be a name; anything else is an error.
    Taken,
    /// The definition fails when it is carried out.
    Late,
}

/// Which reserved words count behind the redirections of a compound command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReservedBehind {
    /// All of them.
    All,
    /// `}`; all of them behind what is neither `if` nor a loop.
    Braces,
    /// `esac`.
    Esac,
    /// None.
    None,
}

/// What may stand behind redirections that begin a command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BehindRedirections {
    /// A simple command.
    Words,
    /// `( list )` besides.
    Subshells,
    /// `( list )` and `(( expression ))` besides.
    Parentheses,
    /// Any command.
    Commands,
}

/// What `${x:}` is.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyOffset {
    /// An offset of 0.
    Zero,
    /// A bad substitution.
    Bad,
    /// A syntax error.
    Refused,
}

/// Which colon of `${x:offset:length}` ends the offset.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OffsetEnd {
    /// The first that is written.
    First,
    /// The first outside parentheses.
    OutsideParentheses,
    /// The first outside parentheses that belongs to no `?`.
    OutsideConditions,
    /// The first of the text that both numbers are expanded to.
    FirstOnceExpanded,
    /// The one where an expression ends in the text that both numbers are expanded to. That text is a word of the
    /// command: fields that end in it are arguments, and the numbers are what remains. It holds no signs that group
    /// patterns.
    EndOfExpression,
}

impl OffsetEnd {
    /// Whether the numbers part only once they are expanded.
    pub fn is_late(self) -> bool {
        matches!(self, OffsetEnd::FirstOnceExpanded | OffsetEnd::EndOfExpression)
    }
}

/// Before which lists of an assignment blanks may stand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListsApart {
    /// Before none.
    Never,
    /// Before that of the first word of a command.
    First,
    /// Before any.
    Always,
}

/// Where `!` or `time` may stand without a command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoneSign {
    /// Nowhere.
    Never,
    /// Before a newline and one semicolon.
    BeforeSeparators,
    /// Before all that ends a command but these operators.
    NotBefore(&'static [&'static str]),
}
