//! How a shell reads a bracket expression (POSIX XBD 9.3.5), well written or not.

/// What a mistake inside a bracket expression makes of it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BracketMistake {
    /// The bracket inside stands for itself, and so does what follows.
    Text,
    /// The bracket inside is dropped; what follows stands for itself.
    Dropped,
    /// That part holds nothing.
    Empty,
    /// Only what is listed before it can match.
    Fails,
    /// This is no bracket expression: its first bracket stands for itself.
    Opener,
    /// The whole pattern is a text.
    Spoils,
}

/// Where the name in `[:name:]` ends.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ClassNames {
    /// At the first `:]`.
    FirstPair,
    /// At the first colon, which a bracket must follow.
    FirstColon,
    /// At the first `:]`; before it there are only letters from a to y.
    Letters,
    /// Only a name that there is, is one.
    Known,
}

/// What `[.name.]` is.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Symbols {
    /// Text like any other.
    None,
    /// The character between the dots.
    Characters,
    /// The character of ASCII between the dots.
    Ascii,
    /// The character between the dots, or the one that has this name.
    Names,
}

/// What `[=c=]` is.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Equivalents {
    /// Text like any other.
    None,
    /// The character; text where there are more.
    Itself,
    /// The same, but a bracket just behind it does not end the expression.
    HidesCloser,
    /// What `[.c.]` is, also in ranges.
    AsSymbol,
    /// The character and those behind it, up to the next letter or digit.
    UpToAlphanumeric,
}

/// What a class at an end of a range makes of it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ClassInRange {
    /// The bracket is the end of the range, and the class is text.
    Text,
    /// The dash stands for itself, and so do the other end and the class.
    Apart,
    /// The dash is dropped, and so is the character before it. Behind a class a quoted dash makes ranges too.
    DropsDash,
}

/// How the end of the expression is found when a character has matched a part of it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Skips {
    /// The rest is read like what came before.
    No,
    /// By counting what opens and closes.
    Counting,
    /// By a reading of its own, in which what nothing closes is a mistake.
    Strictly,
}

/// How a shell reads a bracket expression.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Brackets {
    /// Where the names of classes end.
    pub names: ClassNames,
    /// A class that nothing closes.
    pub open_class: BracketMistake,
    /// A class that there is not.
    pub unknown_class: BracketMistake,
    /// The classes that POSIX does not name.
    pub more_classes: &'static [&'static str],
    /// A class at an end of a range.
    pub class_in_range: ClassInRange,
    /// What `[.a.]` is.
    pub symbols: Symbols,
    /// One that nothing closes.
    pub open_symbol: BracketMistake,
    /// One that there is not.
    pub unknown_symbol: BracketMistake,
    /// What `[=a=]` is.
    pub equivalents: Equivalents,
    /// A range that has no end before the text ends.
    pub open_range: BracketMistake,
    /// What nothing closes.
    pub open: BracketMistake,
    /// How the end is found behind a match.
    pub skips: Skips,
    /// A closer that stands first is no member of `[!]...]`, and of no list with a dash or a class; a range
    /// that it begins holds all before it.
    pub first_closer_vanishes: bool,
    /// A quoted `!` makes a backslash a member too where there is no dash and no class.
    pub quoted_sign_shows_backslash: bool,
    /// `[]` and `[^]` are sets without members where no other bracket closes behind them.
    pub empty_sets: bool,
    /// A range may begin with the end of the one before it (`[a-c-e]`), and one that is the wrong way round is its end.
    pub ranges_chain: bool,
}

impl Brackets {
    /// As POSIX has them.
    pub const POSIX: Brackets = Brackets {
        names: ClassNames::FirstPair,
        open_class: BracketMistake::Opener,
        unknown_class: BracketMistake::Empty,
        more_classes: &[],
        class_in_range: ClassInRange::Text,
        symbols: Symbols::Characters,
        open_symbol: BracketMistake::Opener,
        unknown_symbol: BracketMistake::Empty,
        equivalents: Equivalents::Itself,
        open_range: BracketMistake::Opener,
        open: BracketMistake::Opener,
        skips: Skips::No,
        first_closer_vanishes: false,
        quoted_sign_shows_backslash: false,
        empty_sets: false,
        ranges_chain: false,
    };
}

/// The quoted characters that mean something in a bracket expression; not those behind a backslash.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct CountsQuoted {
    /// Those that an expansion between double quotes gave.
    pub of_values: &'static str,
    /// Those that are written.
    pub written: &'static str,
}

impl CountsQuoted {
    /// None of them.
    pub const NOTHING: CountsQuoted = CountsQuoted { of_values: "", written: "" };
}
