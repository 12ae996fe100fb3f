//! What built-in utilities do.

use crate::stop::Status;

/// A variable that switches an option on by being there.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct OptionOfVariable {
    /// Its name.
    pub variable: &'static str,
    /// The option, as `set -o` names it.
    pub option: &'static str,
    /// What the variable is when the option is switched on by its name.
    pub value: &'static str,
    /// Whether it becomes that although the option is on already.
    pub anew: bool,
}

/// Which parameters that are no variables `-v` knows.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AskedParameters {
    /// None.
    None,
    /// The positional ones, and `0`.
    Positional,
    /// Those, and the signs that have one value.
    Valued,
    /// Those and all signs.
    All,
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

/// How a list shows each variable.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Shown {
    /// By its name.
    Names,
    /// As `name=value`.
    Values,
    /// By what it is and its name: `integer n`.
    Kinds,
    /// By what it is, its name and its value.
    KindsAndValues,
    /// Behind the name of the utility: `export name=value`.
    Behind,
    /// By the command that makes it again.
    Commands,
    /// By that command without a value.
    CommandsWithoutValues,
}

impl Shown {
    /// Whether it is a list of values, or of what the variables are.
    pub fn is_of_values(self) -> bool {
        matches!(self, Shown::Values | Shown::Kinds | Shown::KindsAndValues | Shown::Behind)
    }

    /// Whether a list of this kind tells values.
    pub fn tells_values(self) -> bool {
        !matches!(self, Shown::Names | Shown::Kinds | Shown::CommandsWithoutValues)
    }
}

/// How the utilities that declare list variables when they are given none.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct VariableLists {
    /// `export` and `readonly`.
    pub marked: Shown,
    /// `export -p` and `readonly -p`.
    pub marked_as_commands: Shown,
    /// `typeset`
    pub all: Shown,
    /// `typeset -g` and other options that choose none.
    pub other_letters: Shown,
    /// `typeset +`
    pub plus: Shown,
    /// `typeset -x` and its kin.
    pub chosen: Shown,
    /// `typeset -px`
    pub chosen_as_commands: Shown,
    /// `typeset +x`
    pub taken_back: Shown,
    /// Whether `typeset +p` is `typeset -p`.
    pub plus_p_is_p: bool,
    /// Whether `export -p name` tells that variable.
    pub tells_marked_names: bool,
    /// Whether `typeset +` is a list, and `+` no name.
    pub plus_lists: bool,
    /// Whether `set` leaves out arrays to which nothing has been assigned.
    pub hides_bare: bool,
    /// Whether special parameters are listed too, and variables that are not made yet.
    pub special: bool,
}

impl VariableLists {
    /// Those of a shell that has no more than `export` and `readonly`.
    pub const BEHIND: VariableLists = VariableLists {
        marked: Shown::Behind,
        marked_as_commands: Shown::Behind,
        all: Shown::Values,
        other_letters: Shown::Values,
        plus: Shown::Names,
        chosen: Shown::Values,
        chosen_as_commands: Shown::Commands,
        taken_back: Shown::Names,
        plus_p_is_p: true,
        tells_marked_names: false,
        plus_lists: true,
        hides_bare: false,
        special: false,
    };
    /// Those of bash.
    pub const DECLARE: VariableLists = VariableLists {
        marked: Shown::Commands,
        marked_as_commands: Shown::Commands,
        chosen: Shown::Commands,
        taken_back: Shown::Values,
        plus_lists: false,
        hides_bare: true,
        ..VariableLists::BEHIND
    };
    /// Those of ksh93.
    pub const BARE: VariableLists = VariableLists {
        marked: Shown::Values,
        all: Shown::Kinds,
        plus_p_is_p: false,
        ..VariableLists::BEHIND
    };
    /// Those of mksh.
    pub const ELEMENTS: VariableLists = VariableLists {
        marked: Shown::Names,
        all: Shown::CommandsWithoutValues,
        chosen_as_commands: Shown::Behind,
        ..VariableLists::BEHIND
    };
    /// Those of zsh.
    pub const LISTS: VariableLists = VariableLists {
        marked: Shown::Values,
        marked_as_commands: Shown::Commands,
        all: Shown::KindsAndValues,
        other_letters: Shown::KindsAndValues,
        plus: Shown::Kinds,
        tells_marked_names: true,
        special: true,
        ..VariableLists::BEHIND
    };
}

/// How `set -o` lists the options.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct OptionList {
    /// Whether a line stands above the list.
    pub heading: bool,
    /// How wide the names are.
    pub width: usize,
    /// What stands behind them.
    pub gap: &'static str,
    /// Whether as many stand beside each other as fit.
    pub columns: bool,
}

impl OptionList {
    /// A list with one option a line.
    pub const fn new(heading: bool, width: usize) -> OptionList {
        OptionList { heading, width, gap: "", columns: false }
    }
}

/// What `set -o posix` changes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum PosixMode {
    /// Nothing, or there is no such option.
    Nothing,
    /// Rules of the table.
    Rules,
    /// Constants with a leading zero are octal, and braces are expanded only without it.
    OctalAndBraces,
    /// Such constants are octal, and braces are not expanded from there on.
    OctalWithoutBraces,
}

/// What `set +o` prints.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OptionCommands {
    /// A command for each option.
    Each,
    /// One command, which resets all and then sets those that differ: what it begins with, and what
    /// stands before an option that is on or off.
    Differing(&'static str, &'static str, &'static str),
}

/// What `type -p` tells.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ProgramsTold {
    /// There is no such option.
    Never,
    /// The path of a program that nothing else hides.
    Unhidden,
    /// The path of a program.
    Paths,
    /// The path of a program, in the words for one.
    InWords,
}

/// How a text fills a field of some width.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Padding {
    /// From the left without the blanks that it begins with, blanks behind it.
    Left,
    /// The same without the zeros behind those.
    LeftDigits,
    /// From the left without the zeros that it begins with, blanks behind it.
    LeftZeros,
    /// To the right without the blanks at its end, blanks before it.
    Right,
    /// The same without the blanks that it begins with.
    RightTrimmed,
    /// To the right with all its blanks, blanks before it.
    RightWhole,
    /// To the right without blanks on either side, zeros before what begins with a digit.
    Zeros,
    /// To the right with all its blanks; behind those that it begins with stand the zeros before a digit.
    ZerosBehindBlanks,
    /// To the right without the blanks at its end, zeros before it.
    Filled,
}

/// How texts fill fields that are declared with some letters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Paddings {
    /// With `-R`.
    pub right: Padding,
    /// With `-Z`.
    pub zeros: Padding,
    /// With `-L` and `-Z`.
    pub left_zeros: Padding,
    /// With `-R` and `-Z`, which make no field where this is nothing.
    pub right_zeros: Option<Padding>,
}

impl Paddings {
    /// Those of ksh93.
    pub const TRIMMED: Paddings = Paddings {
        right: Padding::RightTrimmed,
        zeros: Padding::Zeros,
        left_zeros: Padding::LeftDigits,
        right_zeros: Some(Padding::Zeros),
    };
    /// Those of mksh.
    pub const FILLED: Paddings = Paddings {
        right: Padding::Right,
        zeros: Padding::Filled,
        left_zeros: Padding::LeftDigits,
        right_zeros: Some(Padding::Filled),
    };
    /// Those of zsh.
    pub const WHOLE: Paddings = Paddings {
        right: Padding::RightWhole,
        zeros: Padding::ZerosBehindBlanks,
        left_zeros: Padding::LeftZeros,
        right_zeros: None,
    };
}

/// What `command -v` does with more than one name.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TellsNames {
    /// It tells the first only.
    First,
    /// It tells all and succeeds if there is one of them.
    Any,
    /// It tells all and succeeds if there are all of them.
    All,
    /// As `All`, but `-v` stops at the first that there is not.
    Stops,
}

/// How a shell prints the definition of a function.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Defines {
    /// No utility prints it.
    Never,
    /// Anew, with blanks before each line and `;` behind commands.
    Braces,
    /// As it was written.
    Written,
    /// Anew, with tabs, and names behind backslashes so that no alias counts.
    Escapes,
    /// Anew, with tabs.
    Tabs,
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

/// Which declarations with a value outlast an assignment of the same variable before them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DeclaredValues {
    /// None: the variable is what it was before the command.
    None,
    /// Those of `export`, `readonly` and `typeset -g`, and those in functions.
    OutsideOrLocal,
    /// All but those behind `command`.
    Direct,
    /// All.
    All,
}

/// What a `!` before `break`, `continue` and `return` does to the status.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NegatedJumps {
    /// Nothing.
    Kept,
    /// It turns that of a left loop round.
    LoopsTurned,
    /// That of a function too.
    Turned,
}

/// Which subshells are outside the loops around them for `break` and `continue`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoopsHidden {
    /// None.
    Never,
    /// All but command substitutions.
    ButSubstitutions,
    /// All.
    Always,
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

/// Which command names stand for jobs.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum JobNames {
    /// None does.
    None,
    /// Every one that begins with `%`.
    Any,
    /// The same, unless the sign is quoted or comes from an expansion.
    Unquoted,
}

/// Before which numbers `--` may stand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DashesBefore {
    /// Before none.
    None,
    /// Before those of `shift`, `break` and `continue`.
    Counts,
    /// Before those of `exit` and `return` too.
    All,
}

/// Before which words `set -o` lists the options and leaves the word to be read.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListsBefore {
    /// Before none: what follows is a name.
    Nothing,
    /// Before letters and `--`, and for an empty name.
    OptionsOrForNothing,
    /// Before letters, `--` and an empty word.
    OptionsAndNothing,
}

/// Which texts end behind their first line of commands under `set -t`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OneCommand {
    /// The shell has no such option.
    Never,
    /// Scripts, and not the text behind `-c`.
    Scripts,
    /// Both.
    All,
}

/// How the number that `break` and its kin take is written.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Numerals {
    /// With a sign or without, any blanks before it, and these behind it.
    BlanksBehind(&'static str),
    /// In digits alone.
    Digits,
}

/// What `alias =text` does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyAliasNames {
    /// There is no such alias: the status is 1.
    Unknown,
    /// Nothing.
    Passed,
    /// It ends the shell.
    End,
}

/// What `set +` does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LonePlus {
    /// Nothing: more options may follow.
    Passed,
    /// It ends the options.
    Ends,
    /// It ends the options and takes the parameters away; without words behind it, the names of all variables
    /// are listed.
    Clears,
}

/// What a sign means behind the sign of a word of options.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LettersBehind {
    /// It is no letter.
    Letters,
    /// `--name` names an option, and elsewhere a sign is the letter of `-c`.
    Names,
    /// `-` ends the options, whatever stands behind it in the word.
    End,
}

impl ListsBefore {
    /// Whether this word is one of them.
    pub fn holds(self, word: &[u8]) -> bool {
        match word {
            b"" => self == ListsBefore::OptionsAndNothing,
            [b'-' | b'+', ..] => self != ListsBefore::Nothing,
            _ => false,
        }
    }
}

/// What becomes of the bytes 0 in a file of commands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NulsInFile {
    /// They stay.
    Stay,
    /// They vanish.
    Vanish,
    /// The file is refused with this status.
    Refused(Status),
    /// Each vanishes, and the byte behind it is not looked at; the text ends at one that is left, and with more
    /// than so many the file holds no commands.
    VanishInTurn {
        /// How many may vanish.
        most: usize,
    },
}

impl NulsInFile {
    /// What is left of the bytes of a file.
    ///
    /// # Errors
    /// The status where the shell takes the file for none of commands.
    pub fn left(self, mut bytes: Vec<u8>) -> Result<Vec<u8>, Status> {
        match self {
            _ if !bytes.contains(&0) => Ok(bytes),
            NulsInFile::Stay => Ok(bytes),
            NulsInFile::Refused(status) => Err(status),
            NulsInFile::Vanish => {
                bytes.retain(|&byte| byte != 0);
                Ok(bytes)
            }
            NulsInFile::VanishInTurn { most } => {
                let (mut gone, mut looks) = (0, true);
                bytes.retain(|&byte| {
                    let goes = looks && byte == 0;
                    gone += usize::from(goes);
                    looks = !goes;
                    !goes
                });
                let end = bytes.iter().position(|&byte| byte == 0).unwrap_or(bytes.len());
                bytes.truncate(end);
                if gone <= most { Ok(bytes) } else { Err(126) }
            }
        }
    }
}

/// The clauses in which `umask` takes what is allowed.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct MaskClauses {
    /// What a clause without an operator does.
    pub bare: Bare,
    /// An operator and its letters can stand several times in a clause.
    pub repeats: bool,
    /// Whose rights can be copied.
    pub copies: Copies,
    /// The letters beside `r`, `w` and `x`.
    pub further: &'static [u8],
    /// Octal digits are rights too.
    pub takes_digits: bool,
    /// Where nobody is named, only what the mask does not forbid changes, and the bits above the
    /// rights count.
    pub nobody_is_masked: bool,
}

impl MaskClauses {
    /// `u=rw,g+x` and no more.
    pub const STRICT: MaskClauses = MaskClauses {
        bare: Bare::Refused,
        repeats: false,
        copies: Copies::None,
        further: b"",
        takes_digits: false,
        nobody_is_masked: false,
    };
    /// As for `chmod`.
    pub const COPYING: MaskClauses = MaskClauses {
        bare: Bare::AtEnd,
        repeats: true,
        copies: Copies::OfBefore,
        further: b"Xs",
        ..MaskClauses::STRICT
    };
    /// As for the `chmod` of busybox.
    pub const FILTERED: MaskClauses = MaskClauses {
        bare: Bare::Empty,
        copies: Copies::OfOneNow,
        further: b"Xst",
        nobody_is_masked: true,
        ..MaskClauses::COPYING
    };
    /// Without copies, but with digits, and clauses without operators.
    pub const LOOSE: MaskClauses = MaskClauses {
        bare: Bare::Clears,
        repeats: true,
        further: b"Xstl",
        takes_digits: true,
        ..MaskClauses::STRICT
    };
}

/// What a clause of `umask` without an operator does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Bare {
    /// It is refused.
    Refused,
    /// Nothing, where it is empty and the last.
    AtEnd,
    /// Nothing, where it is the last.
    AtEndWithWho,
    /// Nothing, where it is empty.
    Empty,
    /// It sets what it names: `=` is assumed.
    Clears,
}

/// Whose rights `umask g=u` copies.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Copies {
    /// Nobody's.
    None,
    /// Those that were before all clauses; several, and among other letters.
    OfBefore,
    /// Those of one, as the clauses before have left them.
    OfOneNow,
}

/// How the stack of `pushd`, `popd` and `dirs` is moved through.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FolderStack {
    /// `pushd +N` turns it, `popd +N` takes a folder out; each tells it then (bash).
    Rotated,
    /// The folder is put on it first and then found in it (zsh).
    Rolled,
}

/// What `cd` does with PWD and OLDPWD if they are read-only.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadOnlyFolders {
    /// Nothing more: that ends the utility or the shell.
    Ends,
    /// It complains, and goes on.
    Minded,
    /// It changes them all the same.
    Overwritten,
    /// It leaves them.
    Left,
}

/// What a variable keeps that is declared with both attributes of case.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BothCases {
    /// What it is given: the two take each other away.
    Neither,
    /// Small letters.
    Lower,
    /// What the last of the letters says.
    Last,
}

/// What a shell does with the files on FPATH that define functions.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FunctionPath {
    /// An empty entry is no folder, and a file that does not define its function ends the shell.
    Strict,
    /// An empty entry is the current folder, and such a file is a command that is not found.
    Loose,
}

/// How `hash` tells the programs that were found.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum HashList {
    /// How often each was run and its path, by the buckets of a table.
    Hits,
    /// The paths, by the buckets of a table.
    Paths,
    /// `name=path`, sorted by name.
    Pairs,
}
