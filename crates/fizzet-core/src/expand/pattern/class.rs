//! Bracket expressions and character classes.

#[derive(Clone, Debug)]
pub(in crate::expand) struct Set {
    pub(in crate::expand) negated: bool,
    /// Whether it names a class that there is not: then it holds what is listed before that, and nothing is
    /// outside of it.
    pub(in crate::expand) broken: bool,
    pub(in crate::expand) wide: bool,
    pub(in crate::expand) folds_case: bool,
    pub(in crate::expand) members: Vec<Member>,
}

#[derive(Clone, Debug)]
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
    /// Whether a character belongs to the set.
    pub(in crate::expand) fn holds(&self, code: u32) -> bool {
        if self.broken {
            return !self.negated && self.lists(code);
        }
        let mut inside = self.lists(code);
        if self.folds_case && !inside {
            let [lower, upper] = cases(code);
            inside = self.lists(lower) || self.lists(upper);
        }
        inside != self.negated
    }

    fn lists(&self, code: u32) -> bool {
        self.members.iter().any(|member| match *member {
            Member::Range(low, high) => (low..=high).contains(&code),
            Member::Class(class) => class.holds(code, self.wide),
        })
    }
}

/// The small and the capital letter of a character.
pub(in crate::expand) fn cases(code: u32) -> [u32; 2] {
    let Some(character) = char::from_u32(code) else { return [code; 2] };
    let small = character.to_lowercase().next().unwrap_or(character);
    let capital = character.to_uppercase().next().unwrap_or(character);
    [u32::from(small), u32::from(capital)]
}
