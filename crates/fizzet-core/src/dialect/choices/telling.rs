//! What the rows can say about what built-in utilities tell.

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
