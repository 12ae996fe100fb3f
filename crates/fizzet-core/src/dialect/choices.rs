//! What a rule of the table can say where yes and no are not enough.

use crate::stop::{Reach, Status};

/// When `"$@"` with no parameters makes its quotes vanish.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyAt {
    /// Only if it stands alone in the quotes.
    Alone,
    /// If all the rest is empty.
    Any,
    /// If all the rest is empty and it stands there exactly once.
    Once,
    /// If all is empty and it stands first.
    First,
    /// If all is empty and it stands last.
    Last,
}

/// What a utility does where it has no place.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Outside {
    /// It works.
    Allowed,
    /// Its status is 1.
    Fails,
    /// It ends the shell.
    Fatal,
}

/// How a shell counts lines for LINENO.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct LineNumbers {
    /// The number of the first line of a text that is no file; nothing where all its lines are 0.
    pub first_of_text: Option<i64>,
    /// The lines of a text of `eval`.
    pub in_eval: EvalLines,
    /// The lines of an action for ERR or DEBUG.
    pub in_actions: EvalLines,
    /// The lines of the action for EXIT.
    pub at_exit: EvalLines,
    /// The lines of a function count from its first one.
    pub functions_count_anew: bool,
}

/// Which commands that are alone in a pipeline change the list of its statuses.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoneStatuses {
    /// Simple commands, subshells and tests.
    Simple,
    /// Simple commands but functions, and tests.
    ButFunctions,
    /// All but tests.
    ButTests,
}

/// What a text in parentheses is that is given to a name which becomes an array.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListTexts {
    /// A text.
    Texts,
    /// A list.
    Lists,
    /// A mistake, as is any text.
    Mistakes,
}

/// What an empty `$@` in the word of an operation does to the quotes around.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyAtInWord {
    /// It counts as one that stands between them.
    Counts,
    /// It does not count.
    Hides,
    /// It keeps the argument, whatever else stands between them.
    Keeps,
}

/// What a command substitution does to the quotes that it stands between with an empty `$@`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Beside {
    /// Nothing.
    Nothing,
    /// It keeps the argument.
    Keeps,
    /// It lets the argument vanish.
    Vanishes,
}

/// Before which commands the action for DEBUG is carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DebugAt {
    /// None: the shell has no such action.
    Never,
    /// Simple commands.
    Simple,
    /// Simple commands, `[[`, `((` and `case`.
    Tests,
    /// All commands.
    Commands,
}

/// When the action for DEBUG is carried out for the passes of `for`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DebugLoops {
    /// Not for each.
    Never,
    /// Before the variable is set.
    Before,
    /// Behind that.
    Behind,
}

/// How `typeset -p` tells variables.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Told {
    /// There is no such utility.
    Nothing,
    /// With `declare`, in double quotes.
    Declare,
    /// With `typeset`, but without it where there are no attributes.
    Bare,
    /// With `typeset`, and arrays by their elements.
    Elements,
    /// With `typeset` or `export`, and arrays as lists.
    Lists,
}

/// Whether a file for `.` is also looked for in the folder that the shell is in.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LooksHere {
    /// No.
    Never,
    /// Before PATH.
    First,
    /// Behind PATH.
    Last,
}

/// When a command leaves its last argument for `$_`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LastArgument {
    /// Never.
    Never,
    /// When it has been carried out.
    Behind,
    /// Before it is carried out, and again behind a function; assignments are no arguments.
    Before,
}

/// The numbers of the lines in a text of `eval`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EvalLines {
    /// From 1.
    Own,
    /// From that of the `eval`.
    On,
    /// All have that of the `eval`.
    Same,
    /// All have that of the `exit` that asked for the end of the shell; else they count from 1.
    SameIfAsked,
}

/// Whether a variable can be the name of another one.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum References {
    /// It cannot.
    None,
    /// It can; names may go round, and a name that cannot be meant is a mistake with the status 1.
    Loose,
    /// It can; a name that cannot be meant ends the shell.
    Fatal,
    /// It can, if it is given what it means at once.
    Given,
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

/// Whether arithmetic has real numbers, and how it shows them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reals {
    /// It has none.
    None,
    /// A whole number has no point: `3`.
    PointVanishes,
    /// A whole number keeps its point: `3.`.
    PointStays,
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

/// What the elements of an associative array's list may be.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AssociativeLists {
    /// Keys and values in turn, the last value may be missing; or indexed elements.
    Anything,
    /// Keys and values in turn, or indexed elements; but not both.
    PairsOrIndexed,
    /// Indexed elements.
    Indexed,
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

/// What FUNCNEST does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Nesting {
    /// Nothing.
    Unbounded,
    /// A positive number is the bound; passing it ends the line.
    IfPositive,
    /// A number that is not negative is the bound, this one at the start; passing it ends the shell.
    From(i64),
}

/// Which parentheses the pattern of an operation may hold without quotes: `${x#(}`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OperationParentheses {
    /// Any.
    Any,
    /// Those of groups with a sign before them; others are a syntax error, also in the text of `${x/a/b}`.
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

/// What `${@#p}` and its kin do to a list.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListOperations {
    /// They change each of its values.
    Each,
    /// They take the list for one string.
    WholeString,
    /// They are refused.
    Refused,
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

/// What a negative length of `${x:offset:length}` means.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NegativeLength {
    /// The part ends so far before the end; it is an error where that lies before the start.
    FromEnd,
    /// The same, but where that lies before the start all of the rest is taken.
    FromEndOrRest,
    /// Nothing is taken.
    Nothing,
    /// All of the rest is taken.
    Rest,
}

/// What becomes of a slash at the end of HOME.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum HomeSlash {
    /// It stays.
    Stays,
    /// It vanishes before another where HOME is the root.
    RootVanishes,
    /// It vanishes where HOME is not the root.
    Vanishes,
}

/// What a subshell still has of the actions that `trap` has set outside.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OuterTraps {
    /// Nothing.
    None,
    /// Signals that are ignored stay so.
    Ignored,
    /// That, and `trap` still tells the others.
    Told,
    /// That, but not in a pipeline, nor in a subshell of the subshell.
    ToldOutsidePipelines,
    /// Signals that are ignored stay so, and `$(trap)` with nothing else in it tells the others.
    ToldByLoneTrap,
}

/// What becomes of a file that the kernel does not know (ENOEXEC).
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct UnknownFiles {
    /// What reads it as a script; nothing where the error is handed on.
    pub reader: Option<Reader>,
    /// Which files are refused all the same.
    pub refuses: Refuses,
}

/// Where a shell looks for programs without PATH.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WithoutPath {
    /// In the current folder.
    Folder,
    /// In these, written as in PATH.
    Folders(&'static str),
    /// Nowhere.
    Nowhere,
}

/// What reads a file as a script.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reader {
    /// `/bin/sh`, which is executed with the path before the arguments.
    Sh,
    /// The shell itself, in a process of its own: `$0` is the path.
    Itself,
}

/// Which files are not read as scripts.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Refuses {
    /// None.
    Nothing,
    /// Broken programs, and files with a NUL in the first line.
    Binaries,
    /// Files with a NUL in the first line.
    NulInLine,
    /// Those, and files whose `#!` line names nothing.
    NulOrMark,
    /// Broken programs.
    Programs,
}

impl UnknownFiles {
    /// What reads a file that begins so; nothing where it is refused.
    pub fn reader_of(self, head: &[u8]) -> Option<Reader> {
        let head = &head[..head.len().min(256)];
        let line = head.split(|&byte| byte == b'\n').next().unwrap_or_default();
        let has_nul = line.contains(&0);
        let is_program = head.starts_with(b"\x7fELF");
        let refused = match self.refuses {
            Refuses::Nothing => false,
            Refuses::Binaries => has_nul || is_program,
            Refuses::NulInLine => has_nul,
            Refuses::NulOrMark => has_nul || head.starts_with(b"#!"),
            Refuses::Programs => is_program,
        };
        self.reader.filter(|_| !refused)
    }
}

/// Which functions a rule is for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WhichFunctions {
    /// None.
    Never,
    /// Those that are written with `function`.
    Keyword,
    /// All.
    Always,
}

/// Which mistakes a text that is carried out holds, so that the shell goes on behind it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Holds {
    /// None.
    Nothing,
    /// All but the wrong use of a utility.
    ButUsage,
    /// All.
    All,
}

/// Which texts are read as a whole before the first of their commands is carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadsWhole {
    /// None.
    Nothing,
    /// All but files.
    ButFiles,
    /// What `eval` and `.` carry out.
    InnerTexts,
}

impl Holds {
    /// Whether a mistake is held.
    pub fn holds(self, is_usage: bool) -> bool {
        match self {
            Holds::Nothing => false,
            Holds::ButUsage => !is_usage,
            Holds::All => true,
        }
    }
}

impl WhichFunctions {
    /// Whether a function is meant.
    pub fn include(self, keyword: bool) -> bool {
        match self {
            WhichFunctions::Never => false,
            WhichFunctions::Keyword => keyword,
            WhichFunctions::Always => true,
        }
    }
}

/// How a shell quotes a value that it tells.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Requoting {
    /// Always in single quotes: `'a'`, `'it'\''s'`.
    Always,
    /// Always in single quotes, and double quotes around single ones: `'it'"'"'s'`, `'x'"'"`.
    DoubleQuotes,
    /// Only if the shell would read it otherwise, and `$'...'` around a single quote: `$'it\'s'`.
    DollarQuotes,
    /// Only if the shell would read it otherwise, and no quotes around nothing: `'x'\'`.
    Pieces,
}

/// Which ranges such as `{1..3}` there are.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BraceRanges {
    /// None.
    None,
    /// Of numbers and letters; a bound with a leading zero pads all numbers.
    Padded,
    /// Of numbers as C reads them and of letters of one case.
    Plain,
    /// As padded, of any characters; a negative step turns the words round.
    Turned,
}

/// In which order the keys of an associative array are listed.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeyOrder {
    /// That of a table with a fixed number of buckets.
    Buckets,
    /// Sorted by bytes.
    Sorted,
    /// That of a table that grows.
    GrowingBuckets,
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

/// What joins `$*` in a here-document.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DocumentJoiner {
    /// The first character of IFS, as between double quotes.
    Ifs,
    /// The same, but a space if IFS is empty.
    IfsOrSpace,
    /// A space.
    Space,
    /// A space, but the elements of arrays and changed parameters are joined with IFS.
    SpaceForParameters,
}

/// What `exit` and `return` take for a number.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum StatusNumbers {
    /// Decimal digits with blanks around them, no sign but `+`, up to 2147483647.
    Natural,
    /// Decimal digits with blanks around them and any sign, of 64 bits.
    Signed,
    /// Decimal digits and nothing else; one that is too large is the largest there is.
    Digits,
    /// The decimal digits at the start, with blanks and a sign; what follows is not looked at. For
    /// `return` one that does not fit in 32 bits is 128.
    Leading,
    /// Decimal digits with blanks before them and any sign, of 32 bits.
    Short,
    /// An arithmetic expression.
    Expression,
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

/// What the numbers of `test` are.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TestNumbers {
    /// Decimal numbers with blanks before them, and these behind them.
    Trimmed(&'static str),
    /// Decimal numbers with blanks before them; nothing is 0, and one that is too large loses digits.
    Leading,
    /// Arithmetic expressions.
    Expressions,
}

/// What a mistake in a comparison of numbers ends.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ComparisonMistake {
    /// Nothing: the comparison does not hold.
    IsFalse,
    /// The command, with status 2.
    EndsCommand,
    /// What every mistake in an expression ends.
    Ends,
}

/// What in the expression of `=~` quotes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RegularQuotes {
    /// Quotes and backslashes.
    All,
    /// Backslashes.
    Backslashes,
    /// Nothing: what quoted is taken away.
    Nothing,
}

/// What a shell has evaluated of an expression by the time it finds something wrong with it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WhileReading {
    /// Nothing.
    Nothing,
    /// All that stands before.
    All,
    /// What stands before, as far as an operator or a parenthesis behind it has closed it.
    Operators,
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
    /// Outside double quotes a backslash quotes whatever follows; between them `\\"` stays.
    BackslashOutside,
}

/// What `getopts` does where OPTIND lies behind all words.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BeyondWords {
    /// It finds nothing and stays there.
    Stays,
    /// It goes back to the place behind the last word.
    GoesBack,
    /// It starts over.
    StartsOver,
    /// It finds nothing and changes nothing, here and where a word has become too short.
    GivesUp,
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

/// What is still there of a function that has ended the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeepsScope {
    /// Nothing: all is as it was before the call.
    Nothing,
    /// Its local variables.
    Variables,
    /// Its parameters.
    Parameters,
    /// Its local variables and its parameters.
    All,
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

/// Which parameters an operation must have found before its word is expanded.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct OperandsWait {
    /// The pattern of `${x#p}` and `${x%p}`.
    pub removal: Wait,
    /// The words of `${x/p/r}` and `${x^p}`.
    pub replacement: Wait,
    /// The numbers of `${x:n:m}`.
    pub substring: Wait,
}

/// What the word of an operation waits for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Wait {
    /// Nothing: it is always expanded.
    Never,
    /// A parameter that is set; every list is.
    Set,
    /// The same, and a list has an element.
    Elements,
    /// The same, and there is any text.
    Text,
}

/// What the word of a redirection may become.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RedirectWords {
    /// One text: neither splitting nor pathname expansion takes place.
    Text,
    /// Fields, of which there must be one.
    OneField,
    /// Fields, and each is a file.
    FileEach,
}

/// How far it reaches that `>&` or `<&` has no number of a descriptor behind it; `None`: it is a file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct CopyOfNoNumber {
    /// `>&name`.
    pub standard_output: Option<Reach>,
    /// `>&` before an empty text.
    pub no_name: Option<Reach>,
    /// `2>&name`.
    pub other_output: Option<Reach>,
    /// `<&name`.
    pub input: Reach,
}

/// Which redirections without a command a command substitution reads from itself.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FileSubstitution {
    /// None.
    No,
    /// One that stands alone and reads a file.
    Alone,
    /// The first one, if it reads standard input from anything; the others are passed over.
    First,
    /// The same, whatever descriptor is read.
    FirstOfAny,
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

/// How often one failure is acted upon that several commands around each other have.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ErrorAction {
    /// For each of them.
    Each,
    /// For a command and the function that it is the last command of, once.
    OncePerCall,
    /// Once.
    Once,
}
