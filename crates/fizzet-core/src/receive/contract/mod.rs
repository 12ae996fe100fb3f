//! Contracts: a declared usage, and whether a vector satisfies it.
//!
//! - [`reading`]: which element is what, by the convention of the parser
//! - [`check`]: counts, types, choices, what excludes or needs what
//! - [`build`]: from values back to a vector, and a vector in another order
//! - [`usage`]: the usage line and the help text
//! - [`draft`]: a first contract from a script's own checks

pub mod build;
pub mod check;
pub mod draft;
pub mod reading;
pub mod usage;

#[cfg(test)]
mod tests;

/// A declared usage.
#[derive(Clone, PartialEq, Eq, Debug, Default)]
pub struct Contract {
    /// The program's name.
    pub program: String,
    /// What it does, in a sentence.
    pub about: String,
    /// How its parser reads a vector.
    pub convention: Convention,
    /// Its options.
    pub options: Vec<OptionRule>,
    /// Its operands, in order.
    pub operands: Vec<OperandRule>,
}

/// How a parser reads a vector.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Convention {
    /// Where options may stand.
    pub options: OptionsStand,
    /// Whether long names stand behind one dash.
    pub one_dash: bool,
    /// Whether `--` ends the options.
    pub separator: bool,
    /// Whether several letters may stand behind one dash.
    pub clusters: bool,
    /// Whether a value may follow its letter in the same word.
    pub attached: bool,
    /// Whether a value may follow its long name behind `=`.
    pub equals: bool,
    /// Whether long names may be cut short as long as only one begins so.
    pub shortened: bool,
    /// How a word such as `-5` is taken.
    pub negative: Negative,
}

impl Default for Convention {
    /// The convention of POSIX, XBD 12.2, with long names.
    fn default() -> Convention {
        Convention {
            options: OptionsStand::BeforeOperands,
            one_dash: false,
            separator: true,
            clusters: true,
            attached: true,
            equals: true,
            shortened: false,
            negative: Negative::Option,
        }
    }
}

/// Where options may stand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OptionsStand {
    /// Before the first operand.
    BeforeOperands,
    /// Anywhere.
    Anywhere,
    /// Nowhere: every word is an operand.
    Nowhere,
}

/// How a word that looks like a negative number is taken.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Negative {
    /// As options.
    Option,
    /// As an operand.
    Operand,
    /// As an operand, unless a digit is the letter of an option.
    OperandUnlessOption,
}

/// An option.
#[derive(Clone, PartialEq, Eq, Debug, Default)]
pub struct OptionRule {
    /// The name of its value.
    pub name: String,
    /// Its letter.
    pub short: Option<u8>,
    /// Its long name, without dashes.
    pub long: Option<String>,
    /// What the value is called in the usage; nothing where it takes none.
    pub value: Option<String>,
    /// What the value has to be.
    pub kind: Kind,
    /// Whether it may be given several times.
    pub repeats: bool,
    /// Whether it has to be given.
    pub required: bool,
    /// The value where it is not given.
    pub default: Option<String>,
    /// The only values that it may have; none where it may have any.
    pub choices: Vec<String>,
    /// Options that may not stand beside it.
    pub excludes: Vec<String>,
    /// Options that have to stand beside it.
    pub needs: Vec<String>,
    /// What it does.
    pub about: String,
}

/// An operand, or several under one name.
#[derive(Clone, PartialEq, Eq, Debug, Default)]
pub struct OperandRule {
    /// Its name.
    pub name: String,
    /// What it has to be.
    pub kind: Kind,
    /// The fewest.
    pub from: usize,
    /// The most; nothing for any number.
    pub to: Option<usize>,
    /// The only values that it may have; none where it may have any.
    pub choices: Vec<String>,
    /// What it is.
    pub about: String,
}

/// What a text has to be.
#[derive(Clone, Copy, PartialEq, Eq, Debug, Default)]
pub enum Kind {
    /// Anything.
    #[default]
    Text,
    /// A whole number.
    Int,
    /// A decimal number.
    Float,
    /// The name of a file that is there.
    File,
    /// The name of a folder that is there.
    Folder,
    /// The name of anything that is there.
    Path,
}

impl Kind {
    /// All of them.
    pub const ALL: [Kind; 6] =
        [Kind::Text, Kind::Int, Kind::Float, Kind::File, Kind::Folder, Kind::Path];

    /// The name in contracts.
    pub fn name(self) -> &'static str {
        match self {
            Kind::Text => "text",
            Kind::Int => "int",
            Kind::Float => "float",
            Kind::File => "file",
            Kind::Folder => "folder",
            Kind::Path => "path",
        }
    }

    /// The kind of this name.
    pub fn named(name: &str) -> Option<Kind> {
        Kind::ALL.into_iter().find(|kind| kind.name() == name)
    }
}

impl OptionRule {
    /// How it is written: its long name, or else its letter.
    pub fn written(&self, convention: &Convention) -> String {
        match (&self.long, self.short) {
            (Some(long), _) if convention.one_dash => format!("-{long}"),
            (Some(long), _) => format!("--{long}"),
            (None, Some(short)) => format!("-{}", char::from(short)),
            (None, None) => self.name.clone(),
        }
    }
}
