//! Bracket expressions and character classes.

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
}

impl Class {
    pub(in crate::expand) fn named(name: &[u8], more: &[&str]) -> Option<Class> {
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
            };
        }
        let Some(character) = char::from_u32(code).filter(|_| wide) else { return false };
        match self {
            Class::Alpha | Class::Word => character.is_alphabetic(),
            Class::Alnum => character.is_alphanumeric(),
            Class::Upper => character.is_uppercase(),
            Class::Lower => character.is_lowercase(),
            Class::Space | Class::Blank => character.is_whitespace() && character != '\u{a0}',
            Class::Punct => !character.is_alphanumeric() && !character.is_control(),
            Class::Print | Class::Graph => !character.is_control(),
            Class::Cntrl => character.is_control(),
            Class::Digit | Class::Xdigit | Class::Ascii => false,
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
