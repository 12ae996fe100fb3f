//! Bracket expressions and character classes.

use crate::text::BROKEN;

#[derive(Clone, Debug)]
pub(in crate::expand) struct Set {
    pub(in crate::expand) negated: bool,
    /// What it does not hold in any case.
    pub(in crate::expand) except: Vec<Member>,
    pub(in crate::expand) wide: bool,
    pub(in crate::expand) folds_case: bool,
    pub(in crate::expand) members: Vec<Member>,
}

#[derive(Clone, Copy, Debug)]
pub(in crate::expand) enum Member {
    Range(u32, u32),
    Class(Class),
}

#[derive(Clone, Copy, Debug)]
pub(in crate::expand) enum Class {
    Alpha,
    Digit,
    Alnum,
    Upper,
    Lower,
    Space,
    Blank,
    Punct,
    Print,
    Graph,
    Cntrl,
    Xdigit,
    Word,
    Ascii,
    /// The ASCII characters whose bits are set.
    Listed(u128),
    /// Those, and letters and digits.
    WordOr(u128),
    /// A byte with which a character of several bytes could begin, though none does.
    Incomplete,
    /// Any other byte that is part of no character.
    Invalid,
}

/// What the classes hold that are named after variables: bit n of a set stands for the byte n.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct VariableClasses {
    separators: u128,
    of_words: u128,
}

impl VariableClasses {
    /// Classes without characters.
    pub(crate) const NONE: VariableClasses = VariableClasses { separators: 0, of_words: 0 };

    /// The classes of these values of IFS and WORDCHARS (zshexpn(1), "Glob Operators").
    pub(crate) fn of(separators: &[u8], of_words: &[u8]) -> VariableClasses {
        let set = |bytes: &[u8]| {
            let ascii = bytes.iter().filter(|byte| byte.is_ascii());
            ascii.fold(0, |set, byte| set | 1u128 << byte)
        };
        VariableClasses { separators: set(separators), of_words: set(of_words) }
    }
}

/// The bits of space, tab and newline.
const BLANKS: u128 = 1 << b' ' | 1 << b'\t' | 1 << b'\n';

impl Class {
    pub(in crate::expand) fn named(
        name: &[u8],
        more: &[&str],
        variables: VariableClasses,
    ) -> Option<Class> {
        let is_known = || more.iter().any(|one| one.as_bytes() == name);
        Some(match name {
            b"alpha" => Class::Alpha,
            b"digit" => Class::Digit,
            b"alnum" => Class::Alnum,
            b"upper" => Class::Upper,
            b"lower" => Class::Lower,
            b"space" => Class::Space,
            b"blank" => Class::Blank,
            b"punct" => Class::Punct,
            b"print" => Class::Print,
            b"graph" => Class::Graph,
            b"cntrl" => Class::Cntrl,
            b"xdigit" => Class::Xdigit,
            b"word" | b"IDENT" if is_known() => Class::Word,
            b"ascii" if is_known() => Class::Ascii,
            b"IFS" if is_known() => Class::Listed(variables.separators),
            b"IFSSPACE" if is_known() => Class::Listed(variables.separators & BLANKS),
            b"WORD" if is_known() => Class::WordOr(variables.of_words),
            b"INCOMPLETE" if is_known() => Class::Incomplete,
            b"INVALID" if is_known() => Class::Invalid,
            _ => return None,
        })
    }

    fn holds(self, code: u32, wide: bool) -> bool {
        if let Ok(byte) = u8::try_from(code)
            && byte < 128
        {
            return match self {
                Class::Alpha => byte.is_ascii_alphabetic(),
                Class::Digit => byte.is_ascii_digit(),
                Class::Alnum => byte.is_ascii_alphanumeric(),
                Class::Upper => byte.is_ascii_uppercase(),
                Class::Lower => byte.is_ascii_lowercase(),
                Class::Space => matches!(byte, b' ' | 9..=13),
                Class::Blank => matches!(byte, b' ' | b'\t'),
                Class::Punct => byte.is_ascii_punctuation(),
                Class::Print => byte.is_ascii_graphic() || byte == b' ',
                Class::Graph => byte.is_ascii_graphic(),
                Class::Cntrl => byte.is_ascii_control(),
                Class::Xdigit => byte.is_ascii_hexdigit(),
                Class::Word => byte.is_ascii_alphanumeric() || byte == b'_',
                Class::Ascii => true,
                Class::Listed(set) => set >> byte & 1 == 1,
                Class::WordOr(set) => byte.is_ascii_alphanumeric() || set >> byte & 1 == 1,
                Class::Incomplete | Class::Invalid => false,
            };
        }
        if let Some(byte) = code.checked_sub(BROKEN) {
            let begins = (0xc2..=0xfd).contains(&byte);
            return match self {
                Class::Incomplete => begins,
                Class::Invalid => !begins,
                _ => false,
            };
        }
        let Some(character) = char::from_u32(code).filter(|_| wide) else { return false };
        match self {
            Class::Alpha | Class::Word => character.is_alphabetic(),
            Class::Alnum | Class::WordOr(_) => character.is_alphanumeric(),
            Class::Upper => character.is_uppercase(),
            Class::Lower => character.is_lowercase(),
            Class::Space | Class::Blank => character.is_whitespace() && character != '\u{a0}',
            Class::Punct => !character.is_alphanumeric() && !character.is_control(),
            Class::Print | Class::Graph => !character.is_control(),
            Class::Cntrl => character.is_control(),
            Class::Digit | Class::Xdigit | Class::Ascii => false,
            Class::Listed(_) | Class::Incomplete | Class::Invalid => false,
        }
    }
}

impl Set {
    /// The set without members.
    pub(in crate::expand) const NOTHING: Set = Set {
        negated: false,
        except: Vec::new(),
        wide: false,
        folds_case: false,
        members: Vec::new(),
    };

    /// Whether a character belongs to the set.
    pub(in crate::expand) fn holds(&self, code: u32) -> bool {
        self.lists(&self.members, code) != self.negated
            && (self.except.is_empty() || !self.lists(&self.except, code))
    }

    fn lists(&self, members: &[Member], code: u32) -> bool {
        let is_one = |code| {
            members.iter().any(|member| match *member {
                Member::Range(low, high) => (low..=high).contains(&code),
                Member::Class(class) => class.holds(code, self.wide),
            })
        };
        is_one(code) || (self.folds_case && cases(code).into_iter().any(is_one))
    }
}

/// The small and the capital letter of a character.
pub(in crate::expand) fn cases(code: u32) -> [u32; 2] {
    let Some(character) = char::from_u32(code) else { return [code; 2] };
    let small = character.to_lowercase().next().unwrap_or(character);
    let capital = character.to_uppercase().next().unwrap_or(character);
    [u32::from(small), u32::from(capital)]
}
