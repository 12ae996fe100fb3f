//! Parameter expansions and what is done with the values.

use std::cell::OnceCell;
use std::rc::Rc;

use crate::source::Span;
use crate::stop::Reach;
use crate::syntax::ast::{Part, Word};

/// Which parameter an expansion names.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum ParameterName {
    /// A variable.
    Variable(Rc<[u8]>),
    /// `$1`, `${10}`; 0 is `$0`.
    Positional(usize),
    /// `@ * # ? - $ !`
    Special(u8),
    /// A variable inside others, to which a way leads with indexes on it.
    Inside(PathName),
}

/// The way to a variable inside others: a text that is expanded, in which the indexes are expressions.
#[derive(Clone, Debug)]
pub struct PathName(pub Rc<Word>);

impl PartialEq for PathName {
    fn eq(&self, other: &PathName) -> bool {
        self.0.span == other.0.span
    }
}

impl Eq for PathName {}

impl ParameterName {
    /// The name as it is written after the `$`.
    pub fn to_bytes(&self) -> Rc<[u8]> {
        match self {
            ParameterName::Variable(name) => name.clone(),
            ParameterName::Positional(n) => n.to_string().into_bytes().into(),
            ParameterName::Special(byte) => shared_sign(*byte),
            ParameterName::Inside(PathName(path)) => match path.parts.first() {
                Some(Part::Literal { bytes, .. }) => bytes[..].into(),
                _ => Rc::default(),
            },
        }
    }
}

/// The name of a special parameter, which all its expansions share.
fn shared_sign(sign: u8) -> Rc<[u8]> {
    thread_local! {
        static SIGNS: [OnceCell<Rc<[u8]>>; 256] = const { [const { OnceCell::new() }; 256] };
    }
    SIGNS.with(|signs| signs[usize::from(sign)].get_or_init(|| [sign].into()).clone())
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
    /// Whether a quote inside runs on to the end of the word around it, so that no brace closes the expansion.
    pub runs_on: bool,
    /// All of it.
    pub span: Span,
}

impl Parameter {
    /// The words that stand inside the braces, in the order in which they are written.
    pub fn words(&self) -> Vec<&Word> {
        let mut words = Vec::new();
        if let Some(Subscript::Index(index)) = &self.index {
            words.push(&index.word);
        }
        self.operation.words(&mut words);
        words
    }
}

impl Operation {
    fn words<'a>(&'a self, words: &mut Vec<&'a Word>) {
        match self {
            Operation::Instead { word, .. } | Operation::Filter(word) => words.push(word),
            Operation::Remove { pattern, .. } => words.push(pattern),
            Operation::Replace { pattern, replacement, .. } => {
                words.push(pattern);
                words.extend(replacement);
            }
            Operation::Substring { offset, length } => {
                words.push(&offset.word);
                words.extend(length.iter().map(|length| &length.word));
            }
            Operation::Case { pattern, .. } => words.extend(pattern),
            Operation::Indirect(operation) | Operation::Name(operation) => operation.words(words),
            _ => {}
        }
    }
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
    Search(SearchFlags, Word),
}

/// The flags of a subscript that searches.
#[derive(Clone, Debug, Default)]
pub struct SearchFlags {
    /// Their letters.
    pub letters: Box<[u8]>,
    /// `n:expression:`: which of the matches is meant.
    pub nth: Option<Box<[u8]>>,
    /// `s:text:`: what separates words.
    pub separator: Option<Box<[u8]>>,
    /// `b:expression:`: where the search begins.
    pub from: Option<Box<[u8]>>,
}

impl SearchFlags {
    /// Whether one of some letters is given.
    pub fn has_any(&self, letters: &[u8]) -> bool {
        self.letters.iter().any(|letter| letters.contains(letter))
    }
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
    /// `&`, which replaces what the latest `s/from/to/` of the shell did, and whether all are replaced.
    Again(bool),
    /// `F:n:` before another modifier, which counts so often, or `f`, until nothing changes.
    Repeated(Box<Modifier>, Option<usize>),
    /// `w` before another modifier, which changes each word then, or `W:separator:`.
    Words(Box<Modifier>, Option<Box<[u8]>>),
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

impl Subscript {
    /// The index, if it is one.
    pub fn one(&self) -> Option<&Arithmetic> {
        match self {
            Subscript::Index(index) => Some(index),
            Subscript::At | Subscript::Star => None,
        }
    }
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

impl Parameter {
    /// Whether its expansion could change a variable.
    pub(crate) fn may_change(&self) -> bool {
        let changes = match &self.operation {
            Operation::Value
            | Operation::Length
            | Operation::Width
            | Operation::Keys
            | Operation::Transform(_) => false,
            Operation::Instead { what: Instead::Assign | Instead::AssignAlways, .. } => true,
            Operation::Instead { word, .. } | Operation::Remove { pattern: word, .. } => {
                word.may_change()
            }
            _ => true,
        };
        changes || !self.has_fixed_index()
    }

    /// Whether it is `$@` or all elements of an array in the form `[@]`.
    pub(crate) fn is_at_list(&self) -> bool {
        self.name == ParameterName::Special(b'@') || matches!(self.index, Some(Subscript::At))
    }

    /// Whether its index needs no computing, if it has one.
    pub(crate) fn has_fixed_index(&self) -> bool {
        match &self.index {
            None | Some(Subscript::At | Subscript::Star) => true,
            Some(Subscript::Index(index)) => !index.may_change(),
        }
    }
}

/// What `${...}` does with the value.
#[derive(Clone, Debug)]
pub enum Operation {
    /// Nothing: the value itself.
    Value,
    /// `${#x}`
    Length,
    /// `${%x}`: how many columns of a terminal it takes.
    Width,
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
        /// Where to start; and how many, where the two part only once they are expanded.
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
    /// `${!x}` where it is the name that x stands for, and what is then done with that.
    Name(Box<Operation>),
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
    /// `${x:}word}`: the brace behind the colon ends nothing. The value and the word; what stands behind the brace that
    /// does is lost.
    Rest(Word),
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
    /// `@/`: as `//`, with the pattern and the replacement expanded for each match.
    Each,
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

impl Arithmetic {
    /// The same, where it is asked for what may be one.
    pub fn itself(&self) -> Option<&Arithmetic> {
        Some(self)
    }

    /// Whether it could change a variable: anything but a number, as a value may be an expression itself.
    pub(crate) fn may_change(&self) -> bool {
        let is_plain = |byte: &u8| byte.is_ascii_digit() || matches!(byte, b' ' | b'-');
        !self
            .word
            .parts
            .iter()
            .all(|part| matches!(part, Part::Literal { bytes, .. } if bytes.iter().all(is_plain)))
    }

    /// Whether nothing is written there, or blanks only.
    pub fn is_blank(&self) -> bool {
        self.word.parts.is_empty()
            || self.word.literal().is_some_and(|text| text.iter().all(u8::is_ascii_whitespace))
    }
}
