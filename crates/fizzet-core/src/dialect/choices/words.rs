//! What the utilities do that take words apart or print them: `read`, `printf`, `getopts`, `test`.

use crate::stop::Status;

/// Which of its names `read` looks at before it reads.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadLooksAt {
    /// All of them.
    All,
    /// All but empty ones.
    Filled,
    /// The first one; the others when it assigns them.
    First,
    /// None.
    None,
}

/// What `read` makes of a name with a value: `x=4`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NamesWithValues {
    /// It is no name.
    Refused,
    /// The name alone counts.
    Cut,
    /// The same of the first operand; another one is no name.
    FirstCut,
    /// It is passed over.
    Skipped,
}

/// How the conversions of `printf` take arguments by their numbers, as in `%2$s`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Positions {
    /// They cannot.
    None,
    /// Apart from those that take the next argument.
    Apart,
    /// The next argument is the one behind it.
    InTurn,
}

/// How `printf` reads a real.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum PrintfReals {
    /// What C's `strtod` finds at the start; the rest is a mistake.
    Start,
    /// What `strtod` finds, if that is all; a mistake counts as 0.
    Whole,
    /// The value of the expression.
    Expression,
    /// What `strtod` finds, if that and blanks are all, and otherwise the value of the expression.
    WholeOrExpression,
}

/// How `%q` of `printf` quotes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum PrintfQuoting {
    /// With backslashes, or `$'...'` around control characters.
    Backslashes,
    /// With backslashes, and `$'...'` for each control character.
    BackslashesAlways,
    /// With quotes where they are needed.
    Quotes,
}

/// What `\c` does in the text of `echo`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EchoEnd {
    /// The output ends there.
    Stops,
    /// The output ends there, with the blank before the next argument if there is one.
    StopsBehindBlank,
    /// The output goes on, without its newline.
    DropsNewline,
}

/// What the numbers of `test` are.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TestNumbers {
    /// Decimal numbers with blanks before them, and these behind them.
    Trimmed(&'static str),
    /// Decimal numbers with blanks before them; nothing is 0, and one that is too large loses digits.
    Leading,
    /// Arithmetic expressions.
    Expressions,
    /// Decimal numbers, which may be real, with blanks before them; nothing is 0.
    Reals,
}

/// Which functions have a place of `getopts` of their own.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FreshOptions {
    /// None.
    Never,
    /// All of them, but OPTIND is shared.
    PlaceOnly,
    /// Those written with `function`, with an OPTIND of their own.
    Keyword,
    /// All of them, with an OPTIND of their own.
    Always,
}

/// What `getopts` does where a variable that it sets is read-only.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadOnlyOptions {
    /// It is a mistake.
    Minds,
    /// OPTIND and OPTARG stay as they are.
    Leaves,
    /// OPTIND and OPTARG change all the same.
    Overwrites,
}

/// What `getopts` makes of a read-only name when there are no more options.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadOnlyEnd {
    /// It is a mistake.
    Minds,
    /// It stays as it is.
    Leaves,
    /// It ends the shell.
    EndsShell,
}

/// What OPTIND keeps of a value that is assigned to it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OptionIndex {
    /// The text.
    Text,
    /// The value of an arithmetic expression.
    Integer,
    /// Decimal digits; anything else is a mistake, and so is `unset`.
    Digits,
}

/// What OPTIND is to `getopts` once it has been unset.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum UnsetIndex {
    /// What it was before.
    Counts,
    /// A variable like any other: it is neither looked at nor assigned.
    Forgotten,
    /// The same until the script assigns it.
    UntilAssigned,
}

/// What `getopts` does with a name that is none.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BadOptionName {
    /// It ends the shell.
    Fatal,
    /// It tells OPTIND and OPTARG, and has this status.
    Skipped(Status),
    /// The same, but it has not moved on when it is called next.
    Late(Status),
    /// It looks at the name first, and does nothing else.
    First(Status),
}

/// What OPTIND is behind a command that it was assigned before.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum IndexBehind {
    /// As the command has left it.
    Stays,
    /// As before, and `getopts` begins again.
    Orders,
    /// As before, and `getopts` goes on where it was.
    IsTold,
}

/// What becomes of a backslash at the end of the input of `read`, which quotes nothing.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum InputBackslash {
    /// It vanishes.
    Vanishes,
    /// It is text without a character: what stands before it is not at the end.
    IsText,
    /// So it is, but behind white space that separates fields it vanishes.
    IsTextBehindText,
    /// It is text without a character, and alone in a field the byte 1.
    IsByteAlone,
}

/// What becomes of escaped characters where `read` ends a line and its last field.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EscapedEnds {
    /// They stay.
    Kept,
    /// Escaped white space at the end of the last field is taken away, where the field holds a separator.
    LostBehindOthers,
    /// Escaped white space at the end of the last field is taken away.
    Lost,
    /// One escaped blank at the end of the line is taken away.
    OneIsLost,
    /// What ends the field is looked for among the other characters only.
    PassedOver,
    /// They are like the others there; and at the start of a field they do not end the white space before it.
    Forgotten,
}

/// What a backslash is to `read` where IFS has one.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BackslashInIfs {
    /// It quotes the next character, as ever.
    Escapes,
    /// It separates fields.
    Separates,
    /// It separates fields, but quotes in what is left for the last name.
    SeparatesButLast,
    /// The same, and one at the end of a line joins it to the next one wherever it stands.
    SeparatesInJoinedLines,
}

/// What `read` makes of an element, `a[1]`, where it is to fill an array.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ArrayElement {
    /// It is no name of an array.
    Refused,
    /// The array, which only loses this element before.
    IsArray,
    /// The place of the only field; a further one is a mistake.
    IsOne,
}

/// What a backslash does where `read` counts characters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CountedBackslash {
    /// It quotes the next character, and both count as one.
    WithNext,
    /// It quotes the next character, and both count.
    Counts,
    /// It is a character like others.
    Stays,
}

/// What a lone operand of `trap` must be, unless it is a number, to take the action of a condition away.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoneCondition {
    /// A condition; another one is told, as it is among several.
    Condition,
    /// A condition; otherwise this is the status.
    KnownOr(Status),
    /// A condition, or `-` for all; otherwise this is the status.
    KnownOrAllOr(Status),
    /// The name of a signal in capitals; otherwise this is the status.
    SignalOr(Status),
    /// Nothing does; it ends the shell with this status.
    Never(Status),
}

/// What makes the first of several operands of `trap` a condition as the others are, and no action.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FirstCondition {
    /// It is a number.
    Number,
    /// It is the number of a condition.
    KnownNumber,
    /// It is a condition.
    Known,
}

/// A number that some options of `read` take.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct ReadNumber {
    /// The options.
    pub letters: &'static str,
    /// What is a number.
    pub syntax: NumberSyntax,
    /// The status for what is none.
    pub status: Status,
}

/// How a number is written for an option.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct NumberSyntax {
    /// Blanks can stand before it.
    pub blanks: bool,
    /// The signs that can stand before its digits.
    pub signs: &'static str,
    /// `0x1f` is one.
    pub hexadecimal: bool,
    /// Nothing is one.
    pub empty: bool,
    /// Where a point can stand.
    pub fraction: Fraction,
    /// The greatest one.
    pub most: u64,
}

impl NumberSyntax {
    /// Decimal digits.
    pub const DIGITS: NumberSyntax = NumberSyntax {
        blanks: false,
        signs: "",
        hexadecimal: false,
        empty: false,
        fraction: Fraction::None,
        most: i32::MAX as u64,
    };
}

/// Where a number can have a point.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Fraction {
    /// Nowhere.
    None,
    /// Behind a digit.
    Behind,
    /// Anywhere, even alone.
    Anywhere,
}

/// What `read` makes of the number of characters 0.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadOfNothing {
    /// It reads nothing.
    Succeeds,
    /// It reads nothing, and fails.
    Fails,
    /// It reads a whole line.
    IsWhole,
}
