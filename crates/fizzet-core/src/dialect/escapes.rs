//! How each shell decodes the escapes of `$'...'`; observed in all six with each letter.

/// What an escape with a number that has no digits stands for: `\x` before `g`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NoDigits {
    /// Both characters as written.
    Text,
    /// The letter alone.
    Letter,
    /// A NUL.
    Nul,
}

/// What a NUL does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Nul {
    /// It ends the quoted text.
    EndsText,
    /// It is left out.
    Vanishes,
    /// It stays: the program sees an argument that ends there.
    Stays,
}

/// What becomes of an octal escape above `\377`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LargeOctal {
    /// Its low eight bits.
    Wraps,
    /// The value of its first two digits.
    Stops,
    /// The character with the low eight bits as its code.
    Character,
}

/// What a control escape makes of the character behind it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Controls {
    /// `\cX` keeps its low five bits; a doubled backslash is one.
    LowBits,
    /// `\cX` takes two bits away, and a backslash alone is one.
    ClearedBits,
    /// `\cX` and `\CX` turn a bit of the capital letter, or of what an escape stands for; `\M-` is an escape character.
    TurnedBit,
    /// `\C-x` and `\M-x`, in which the dash may be missing, change what follows, or what an escape stands for.
    Named,
}

/// The rules of `$'...'` in one shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct DollarEscapes {
    /// The letters that are escapes, besides octal digits.
    pub letters: &'static str,
    /// Whether an unknown escape keeps its backslash.
    pub keeps_unknown: bool,
    /// What `\x` and `\u` without digits stand for.
    pub no_digits: NoDigits,
    /// What a NUL does.
    pub nul: Nul,
    /// Whether `\x` takes any number of digits; more than two then stand for a character.
    pub long_hexadecimal: bool,
    /// Whether `\x{...}` is known.
    pub braced_hexadecimal: bool,
    /// What becomes of `\400`.
    pub large_octal: LargeOctal,
    /// Whether characters behind U+FFFF become U+FFFD.
    pub narrow_characters: bool,
    /// Whether characters beyond ASCII are told by their numbers.
    pub tells_numbers: bool,
    /// What a control escape makes of the character behind it.
    pub controls: Controls,
}

/// bash 5.2
pub(super) const BASH: DollarEscapes = DollarEscapes {
    letters: "abeEfnrtv\\'\"?xuUc",
    keeps_unknown: true,
    no_digits: NoDigits::Text,
    nul: Nul::EndsText,
    long_hexadecimal: false,
    braced_hexadecimal: true,
    large_octal: LargeOctal::Wraps,
    narrow_characters: false,
    tells_numbers: false,
    controls: Controls::LowBits,
};

/// bash 5.2 where each byte is a character
pub(super) const BASH_PLAIN: DollarEscapes = DollarEscapes { tells_numbers: true, ..BASH };

/// busybox sh 1.35
pub(super) const BUSYBOX: DollarEscapes = DollarEscapes {
    letters: "abfnrtv\\'\"x",
    nul: Nul::Vanishes,
    braced_hexadecimal: false,
    large_octal: LargeOctal::Stops,
    ..BASH
};

/// ksh93u+m
pub(super) const KSH93: DollarEscapes = DollarEscapes {
    letters: "abeEfnrtv\\'\"?xuUcMC",
    keeps_unknown: false,
    no_digits: NoDigits::Nul,
    long_hexadecimal: true,
    controls: Controls::TurnedBit,
    ..BASH
};

/// mksh R59
pub(super) const MKSH: DollarEscapes = DollarEscapes {
    keeps_unknown: false,
    no_digits: NoDigits::Letter,
    long_hexadecimal: true,
    braced_hexadecimal: false,
    large_octal: LargeOctal::Character,
    narrow_characters: true,
    controls: Controls::ClearedBits,
    ..BASH
};

/// zsh 5.9 with its option posixstrings.
pub(super) const ZSH_AS_C: DollarEscapes = DollarEscapes { nul: Nul::EndsText, ..ZSH };

/// zsh 5.9
pub(super) const ZSH: DollarEscapes = DollarEscapes {
    letters: "abeEfnrtv\\'\"?xuUMC",
    keeps_unknown: false,
    no_digits: NoDigits::Nul,
    nul: Nul::Stays,
    braced_hexadecimal: false,
    controls: Controls::Named,
    ..BASH
};
