//! Pattern matching (POSIX XCU 2.14).
//!
//! A pattern is compiled from bytes that know whether they are quoted, then matched without copying.
//! Matching goes back only to the latest `*`, so it takes at most pattern times text steps.

use crate::dialect::Dialect;
use crate::text::Text;

/// How matching reads text.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct PatternRules {
    /// Characters of a UTF-8 locale rather than bytes.
    pub characters: bool,
    /// Character classes know letters beyond ASCII.
    pub wide_classes: bool,
    /// `^` negates a bracket expression as `!` does.
    pub caret_negates: bool,
    /// `[.a.]` and `[=a=]` are known.
    pub collating: bool,
    /// An unquoted backslash escapes the next character.
    pub backslash_escapes: bool,
    /// It may also escape the slash behind a component that is a pattern.
    pub escapes_slash_behind_pattern: bool,
}

impl PatternRules {
    /// The rules of a shell in a locale.
    pub fn new(dialect: &Dialect, utf8: bool) -> PatternRules {
        PatternRules {
            characters: utf8 && dialect.characters,
            wide_classes: utf8 && dialect.wide_classes,
            caret_negates: dialect.caret_negates,
            collating: dialect.collating_elements,
            backslash_escapes: dialect.value_backslash_escapes,
            escapes_slash_behind_pattern: dialect.escapes_slash_behind_pattern,
        }
    }
}

/// A compiled pattern.
#[derive(Clone, Debug)]
pub struct Pattern {
    items: Vec<Item>,
    characters: bool,
}

#[derive(Clone, Debug)]
enum Item {
    Literal(Vec<u8>),
    Any,
    Star,
    Set(Set),
}

#[derive(Clone, Debug)]
struct Set {
    negated: bool,
    wide: bool,
    members: Vec<Member>,
}

#[derive(Clone, Debug)]
enum Member {
    Range(u32, u32),
    Class(Class),
}

#[derive(Clone, Copy, Debug)]
enum Class {
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
}

impl Class {
    fn named(name: &[u8]) -> Option<Class> {
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
            b"word" => Class::Word,
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
            Class::Digit | Class::Xdigit => false,
        }
    }
}

impl Set {
    fn holds(&self, code: u32) -> bool {
        let inside = self.members.iter().any(|member| match *member {
            Member::Range(low, high) => (low..=high).contains(&code),
            Member::Class(class) => class.holds(code, self.wide),
        });
        inside != self.negated
    }
}

/// The code of the first character and its length in bytes. A byte that is not part of valid UTF-8
/// counts as one character that no valid one equals.
pub(crate) fn next_character(bytes: &[u8], characters: bool) -> Option<(u32, usize)> {
    let &first = bytes.first()?;
    if !characters || first < 128 {
        return Some((u32::from(first), 1));
    }
    match bstr::decode_utf8(bytes) {
        (Some(character), length) => Some((u32::from(character), length)),
        (None, _) => Some((0x11_0000 + u32::from(first), 1)),
    }
}

/// Whether a text has an unquoted pattern character.
pub fn has_pattern(text: &Text) -> bool {
    text.runs().any(|(run, bytes)| {
        !run.is_quoted() && bytes.iter().any(|byte| matches!(byte, b'*' | b'?' | b'['))
    })
}

/// Whether a text is a pattern in earnest: a lone `[` is none.
pub fn is_pattern(text: &Text, rules: PatternRules) -> bool {
    has_pattern(text) && Pattern::from_text(text, rules).literal().is_none()
}

impl Pattern {
    /// Compiles the bytes of a pattern; `quoted` says for each byte whether it stands for itself.
    pub fn new(bytes: &[u8], quoted: &[bool], rules: PatternRules) -> Pattern {
        let mut compiler = Compiler { bytes, quoted, rules, at: 0, items: Vec::new() };
        compiler.compile();
        Pattern { items: compiler.items, characters: rules.characters }
    }

    /// Compiles a text.
    pub fn from_text(text: &Text, rules: PatternRules) -> Pattern {
        Pattern::new(text.bytes(), &text.quoting(), rules)
    }

    /// The text that the pattern stands for if it has no active character.
    pub fn literal(&self) -> Option<&[u8]> {
        match &self.items[..] {
            [] => Some(b""),
            [Item::Literal(bytes)] => Some(bytes),
            _ => None,
        }
    }

    /// Whether the pattern begins with this literal byte.
    pub fn begins_with(&self, byte: u8) -> bool {
        matches!(self.items.first(), Some(Item::Literal(bytes)) if bytes[0] == byte)
    }

    /// Whether all of `text` matches.
    pub fn matches(&self, text: &[u8]) -> bool {
        let (mut item, mut at) = (0, 0);
        let mut retry: Option<(usize, usize)> = None;
        loop {
            match self.items.get(item) {
                None if at == text.len() => return true,
                Some(Item::Star) => {
                    retry = Some((item + 1, at));
                    item += 1;
                    continue;
                }
                Some(one) => {
                    if let Some(length) = self.step(one, &text[at..]) {
                        item += 1;
                        at += length;
                        continue;
                    }
                }
                None => {}
            }
            // Give the latest star one character more.
            let Some((after, from)) = retry else { return false };
            let Some((_, length)) = next_character(&text[from..], self.characters) else {
                return false;
            };
            retry = Some((after, from + length));
            (item, at) = (after, from + length);
        }
    }

    /// The offsets at which a match that begins at the start of `text` can end, in ascending order.
    ///
    /// All ways of matching are followed at once, so this takes at most pattern times text steps.
    pub fn prefix_ends(&self, text: &[u8]) -> Vec<usize> {
        let mut ends = Vec::new();
        // A state is an item and how much of its literal has been matched.
        let mut states = vec![(0usize, 0usize)];
        let mut at = 0;
        loop {
            self.skip_stars(&mut states);
            if states.iter().any(|&(item, _)| item == self.items.len()) {
                ends.push(at);
            }
            let Some((code, length)) = next_character(&text[at..], self.characters) else {
                return ends;
            };
            let character = &text[at..at + length];
            let mut next = Vec::with_capacity(states.len());
            for &(item, done) in &states {
                let state = match self.items.get(item) {
                    Some(Item::Star) => (item, 0),
                    Some(Item::Any) => (item + 1, 0),
                    Some(Item::Set(set)) if set.holds(code) => (item + 1, 0),
                    Some(Item::Literal(bytes)) if bytes[done..].starts_with(character) => {
                        let done = done + length;
                        if done == bytes.len() { (item + 1, 0) } else { (item, done) }
                    }
                    _ => continue,
                };
                if !next.contains(&state) {
                    next.push(state);
                }
            }
            if next.is_empty() {
                return ends;
            }
            states = next;
            at += length;
        }
    }

    /// Adds the states that a star may be left for.
    fn skip_stars(&self, states: &mut Vec<(usize, usize)>) {
        let mut at = 0;
        while let Some(&(item, _)) = states.get(at) {
            if matches!(self.items.get(item), Some(Item::Star)) && !states.contains(&(item + 1, 0))
            {
                states.push((item + 1, 0));
            }
            at += 1;
        }
    }

    /// The offset at which the shortest or longest match that reaches the end of `text` begins.
    pub fn suffix_start(&self, text: &[u8], longest: bool) -> Option<usize> {
        if let Some(literal) = self.literal() {
            return text.ends_with(literal).then(|| text.len() - literal.len());
        }
        let mut starts = vec![0];
        let mut at = 0;
        while let Some((_, length)) = next_character(&text[at..], self.characters) {
            at += length;
            starts.push(at);
        }
        let fits = |start: &usize| self.matches(&text[*start..]);
        match longest {
            true => starts.into_iter().find(fits),
            false => starts.into_iter().rev().find(fits),
        }
    }

    /// The first place at or after `from` where a non-empty match begins, and where the longest one
    /// from there ends.
    pub fn find(&self, text: &[u8], from: usize) -> Option<(usize, usize)> {
        if let Some(literal) = self.literal().filter(|literal| !literal.is_empty()) {
            let start = from + bstr::ByteSlice::find(&text[from..], literal)?;
            return Some((start, start + literal.len()));
        }
        let mut at = from;
        loop {
            if let Some(Item::Literal(bytes)) = self.items.first() {
                at += bstr::ByteSlice::find(&text[at..], bytes)?;
            }
            if let Some(end) = self.prefix_ends(&text[at..]).pop().filter(|&end| end > 0) {
                return Some((at, at + end));
            }
            at += next_character(&text[at..], self.characters)?.1;
        }
    }

    /// How much of `text` one item takes.
    fn step(&self, item: &Item, text: &[u8]) -> Option<usize> {
        match item {
            Item::Literal(bytes) => text.starts_with(bytes).then_some(bytes.len()),
            Item::Any => next_character(text, self.characters).map(|(_, length)| length),
            Item::Set(set) => next_character(text, self.characters)
                .filter(|&(code, _)| set.holds(code))
                .map(|(_, length)| length),
            Item::Star => Some(0),
        }
    }
}

struct Compiler<'a> {
    bytes: &'a [u8],
    quoted: &'a [bool],
    rules: PatternRules,
    at: usize,
    items: Vec<Item>,
}

impl Compiler<'_> {
    fn compile(&mut self) {
        while self.at < self.bytes.len() {
            let byte = self.bytes[self.at];
            if self.quoted[self.at] {
                self.literal(byte);
                continue;
            }
            match byte {
                b'*' => {
                    self.at += 1;
                    if !matches!(self.items.last(), Some(Item::Star)) {
                        self.items.push(Item::Star);
                    }
                }
                b'?' => {
                    self.at += 1;
                    self.items.push(Item::Any);
                }
                b'[' => match self.set() {
                    Some((set, end)) => {
                        self.at = end;
                        self.items.push(Item::Set(set));
                    }
                    None => self.literal(byte),
                },
                b'\\' if self.rules.backslash_escapes && self.at + 1 < self.bytes.len() => {
                    self.at += 1;
                    self.literal(self.bytes[self.at]);
                }
                _ => self.literal(byte),
            }
        }
    }

    fn literal(&mut self, byte: u8) {
        self.at += 1;
        match self.items.last_mut() {
            Some(Item::Literal(bytes)) => bytes.push(byte),
            _ => self.items.push(Item::Literal(vec![byte])),
        }
    }

    /// The bracket expression at this place and where it ends; `None` if it is none.
    fn set(&self) -> Option<(Set, usize)> {
        let mut at = self.at + 1;
        let negated = match self.active(at)? {
            Some(b'!') => true,
            Some(b'^') => self.rules.caret_negates,
            _ => false,
        };
        at += usize::from(negated);
        let first = at;
        let mut members = Vec::new();
        loop {
            if self.active(at)? == Some(b']') && at > first {
                let set = Set { negated, wide: self.rules.wide_classes, members };
                return Some((set, at + 1));
            }
            if let Some((member, end)) = self.class(at) {
                members.extend(member);
                at = end;
                continue;
            }
            let (low, end) = self.element(at)?;
            at = end;
            let is_range = self.active(at)? == Some(b'-')
                && self.active(at + 1).flatten() != Some(b']')
                && at + 1 < self.bytes.len();
            if !is_range {
                members.push(Member::Range(low, low));
                continue;
            }
            let (high, end) = self.element(at + 1)?;
            at = end;
            members.push(Member::Range(low, high));
        }
    }

    /// The byte at a place if it is unquoted: `None` at the end, `Some(None)` for a quoted one.
    fn active(&self, at: usize) -> Option<Option<u8>> {
        let &byte = self.bytes.get(at)?;
        Some((!self.quoted[at]).then_some(byte))
    }

    /// `[:class:]`, at its `[`. A class that does not exist holds nothing.
    fn class(&self, at: usize) -> Option<(Option<Member>, usize)> {
        let name = self.bracketed(at, b':')?;
        let end = at + name.len() + 4;
        Some((Class::named(name).map(Member::Class), end))
    }

    /// The text of `[:text:]`, `[.text.]` or `[=text=]`.
    fn bracketed(&self, at: usize, sign: u8) -> Option<&[u8]> {
        if self.active(at)? != Some(b'[') || self.active(at + 1)? != Some(sign) {
            return None;
        }
        let rest = &self.bytes[at + 2..];
        let end = rest.windows(2).position(|two| two == [sign, b']'])?;
        Some(&rest[..end])
    }

    /// One element of a range: a character, or `[.x.]`.
    fn element(&self, at: usize) -> Option<(u32, usize)> {
        if self.rules.collating {
            for sign in [b'.', b'='] {
                if let Some(name) = self.bracketed(at, sign)
                    && let Some((code, length)) = next_character(name, self.rules.characters)
                    && length == name.len()
                {
                    return Some((code, at + length + 4));
                }
            }
        }
        let escaped = self.rules.backslash_escapes
            && self.active(at)? == Some(b'\\')
            && at + 1 < self.bytes.len();
        let at = at + usize::from(escaped);
        let (code, length) = next_character(&self.bytes[at..], self.rules.characters)?;
        Some((code, at + length))
    }
}

#[cfg(test)]
mod tests {
    use super::{Pattern, PatternRules};

    const RULES: PatternRules = PatternRules {
        characters: true,
        wide_classes: true,
        caret_negates: true,
        collating: true,
        backslash_escapes: true,
        escapes_slash_behind_pattern: true,
    };

    fn matches(pattern: &str, text: &str) -> bool {
        let quoted = vec![false; pattern.len()];
        Pattern::new(pattern.as_bytes(), &quoted, RULES).matches(text.as_bytes())
    }

    #[test]
    fn a_bracket_may_begin_with_its_closer_and_end_with_a_dash() {
        assert!(matches("[]a]*", "]jar"));
        assert!(matches("[!]a]*", "hive"));
        assert!(!matches("[!]a]*", "ajar"));
        assert!(matches("[a-]*", "-x"));
        assert!(!matches("[a-", "a"));
        assert!(matches("[a-", "[a-"));
    }

    #[test]
    fn characters_are_matched_whole_in_utf8() {
        assert!(matches("?", "ä"));
        assert!(!matches("??", "ä"));
        assert!(matches("[[:alpha:]]x", "äx"));
        assert!(matches("[ä-ö]", "å") || !matches("[ä-ö]", "z"));
    }

    #[test]
    fn many_stars_do_not_explode() {
        let pattern = "*a".repeat(40);
        assert!(!matches(&pattern, &"a".repeat(39)));
        assert!(matches(&pattern, &"a".repeat(40)));
    }
}
