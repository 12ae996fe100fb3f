//! Letters behind a backslash that mean something in the patterns of a value (observed in ksh93u+m).

use crate::expand::pattern::Repeat;
use crate::expand::pattern::class::{Class, Member};
use crate::expand::pattern::options::expression_start;
use crate::text::{Run, Standing, Text};

/// What a backslash and what follows it stand for.
pub(in crate::expand) enum Escape {
    /// This character.
    Character(u32),
    /// One character of a class, or of none of its characters.
    Class(Class, bool),
    /// A place between characters.
    Place(Place),
    /// Nothing that could be matched.
    Nothing,
}

/// A pattern with the backslashes that are written before letters in its groups: there they mean as much as in
/// values. Nothing if there are none.
pub(super) fn with_written(text: &Text) -> Option<Text> {
    let is_letter = |(run, bytes): (&Run, &[u8])| {
        run.is_escaped(bytes) && bytes.iter().all(u8::is_ascii_alphabetic)
    };
    if !text.runs().any(is_letter) {
        return None;
    }
    let (mut made, mut open, mut found) = (Text::new(), 0u32, false);
    let expression = expression_start(text);
    let mut before = None;
    let mut at = 0;
    for (run, bytes) in text.runs() {
        at += bytes.len();
        if run.hole {
            made.push_run(run, bytes);
            continue;
        }
        let inside = open > 0 || expression.is_some_and(|start| at > start);
        if inside && is_letter((run, bytes)) {
            made.push(&[b"\\", bytes].concat(), Standing::Plain, &run.origin);
            (found, before) = (true, None);
            continue;
        }
        made.push_run(run, bytes);
        for &byte in bytes {
            let begins =
                open > 0 || before.is_some_and(|sign| sign == b'~' || Repeat::of(sign).is_some());
            match byte {
                _ if run.is_quoted() => {}
                b'(' if begins => open += 1,
                b')' => open = open.saturating_sub(1),
                _ => {}
            }
            before = Some(byte).filter(|_| !run.is_quoted());
        }
    }
    found.then_some(made)
}

/// A place between two characters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(in crate::expand) enum Place {
    /// Where a word begins or ends.
    WordEdge,
    /// Where no word begins or ends.
    NoWordEdge,
    /// Where a word begins.
    WordStart,
    /// Where a word ends.
    WordEnd,
    /// The start of the text.
    Start,
    /// The end of the text.
    End,
}

impl Place {
    /// Whether this is the place at an offset of a text.
    pub(in crate::expand) fn is_at(self, text: &[u8], at: usize) -> bool {
        let is_word = |byte: Option<&u8>| byte.is_some_and(|byte| is_word_byte(*byte));
        // The start of a text is always one.
        let before = at > 0 && is_word(text.get(at - 1));
        let edge = at == 0 || is_word(text.get(at - 1)) != is_word(text.get(at));
        match self {
            Place::WordEdge => edge,
            Place::NoWordEdge => !edge,
            Place::WordStart => !before && is_word(text.get(at)),
            Place::WordEnd => before && !is_word(text.get(at)),
            Place::Start => at == 0,
            Place::End => at == text.len(),
        }
    }
}

fn is_word_byte(byte: u8) -> bool {
    byte.is_ascii_alphanumeric() || byte == b'_'
}

impl Escape {
    /// The members of a bracket expression that this adds.
    pub(in crate::expand) fn member(&self) -> Option<Member> {
        match *self {
            Escape::Character(code) => Some(Member::Range(code, code)),
            Escape::Class(class, false) => Some(Member::Class(class)),
            _ => None,
        }
    }
}

/// Reads what stands behind a backslash: what it means, and how many bytes that takes; nothing where the next
/// character stands for itself.
pub(in crate::expand) fn read(behind: &[u8]) -> Option<(Escape, usize)> {
    let simple = match *behind.first()? {
        b'a' => Escape::Character(7),
        b'e' | b'E' => Escape::Character(27),
        b'f' => Escape::Character(12),
        b'n' => Escape::Character(10),
        b'r' => Escape::Character(13),
        b't' => Escape::Character(9),
        b'v' => Escape::Character(11),
        b'd' => Escape::Class(Class::Digit, false),
        b'D' => Escape::Class(Class::Digit, true),
        b's' => Escape::Class(Class::Space, false),
        b'S' => Escape::Class(Class::Space, true),
        b'w' => Escape::Class(Class::Word, false),
        b'W' => Escape::Class(Class::Word, true),
        b'b' => Escape::Place(Place::WordEdge),
        b'B' => Escape::Place(Place::NoWordEdge),
        b'A' => Escape::Place(Place::Start),
        b'z' | b'Z' => Escape::Place(Place::End),
        b'x' => return Some(hexadecimal(&behind[1..])),
        b'c' => {
            return Some(match behind.get(1) {
                Some(&letter) => (Escape::Character(u32::from(letter & 31)), 2),
                None => (Escape::Nothing, 1),
            });
        }
        b'C' => Escape::Nothing,
        b'0'..=b'3' => {
            let digits = behind.get(..3).and_then(|digits| std::str::from_utf8(digits).ok())?;
            return Some((Escape::Character(u32::from_str_radix(digits, 8).ok()?), 3));
        }
        _ => return None,
    };
    Some((simple, 1))
}

/// The character of `\xdigits` or `\x{digits}`.
fn hexadecimal(behind: &[u8]) -> (Escape, usize) {
    let braced = behind.first() == Some(&b'{');
    let start = usize::from(braced);
    let count = behind[start..].iter().take_while(|byte| byte.is_ascii_hexdigit()).count();
    let digits = std::str::from_utf8(&behind[start..start + count]).unwrap_or_default();
    let closed = braced && behind.get(start + count) == Some(&b'}');
    let escape = u32::from_str_radix(digits, 16).map_or(Escape::Nothing, Escape::Character);
    (escape, 1 + start + count + usize::from(closed))
}
