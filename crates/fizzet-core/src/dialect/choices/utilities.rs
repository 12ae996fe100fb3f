//! What built-in utilities do.

use crate::stop::Status;

/// Which names without an alias are known to `unalias` once `alias` has been asked for them.
#[derive(Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Debug)]
pub enum AskedAliases {
    /// None.
    Never,
    /// Those that `alias` passes over.
    Passed,
    /// All, but for those that it was only to tell of.
    All,
}

/// Where `alias` passes over names that it does not know.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum PassedAliases {
    /// Nowhere.
    None,
    /// Behind `-x`.
    Exported,
    /// Behind any first word with a dash, `-p` not among the options.
    Dashed,
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
