//! What `#` says in arithmetic: the number of parameters, codes of characters, and how values are shown.

use bstr::ByteSlice;

use crate::dialect::ArithmeticSign;
use crate::syntax::arithmetic::{Expression, Read, Reader};

/// How the value of an expression is shown.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Showing {
    /// The base of whole numbers.
    pub base: u32,
    /// Whether the base stands before them.
    pub prefix: bool,
    /// After how many digits an underscore stands; 0 for none.
    pub group: usize,
}

/// The letters that mean a control character behind `##\`.
const ESCAPES: &[(char, u32)] = &[
    ('a', 7),
    ('b', 8),
    ('t', 9),
    ('n', 10),
    ('v', 11),
    ('f', 12),
    ('r', 13),
    ('e', 27),
    ('E', 27),
];

/// The code of `\\C-c`, `\\M-c`, `\\xhh` or `^c`, and how many bytes that takes.
fn key(text: &[u8]) -> Option<(i64, usize)> {
    let (code, length) = match text {
        [b'\\', b'C', b'-', byte, ..] => (byte & 0x1f, 4),
        [b'\\', b'M', b'-', byte, ..] => (byte | 0x80, 4),
        [b'^', byte @ b'@'..=b'_', ..] => (byte & 0x1f, 2),
        [b'\\', b'x', rest @ ..] => {
            let digits = rest.iter().take(2).take_while(|byte| byte.is_ascii_hexdigit()).count();
            let digits = std::str::from_utf8(&rest[..digits]).ok()?;
            (u8::from_str_radix(digits, 16).ok()?, 2 + digits.len())
        }
        _ => return None,
    };
    Some((i64::from(code), length))
}

impl Reader<'_> {
    /// `#` where a value stands: the number of parameters, `#name` and `##c` the code of a character.
    pub(super) fn sign(&mut self) -> Read {
        self.at += 1;
        if self.dialect.arithmetic_sign == ArithmeticSign::Zero {
            return Ok(Expression::Number(0));
        }
        let rest = &self.text[self.at..];
        let (behind, before) = match rest {
            [b'#', b'\\', behind @ ..] => (behind, 2),
            [b'\\', behind @ ..] | [b'#', behind @ ..] => (behind, 1),
            _ => (&b""[..], 0),
        };
        if let [b'#', keyed @ ..] = rest
            && let Some((code, length)) = key(keyed)
        {
            self.at += 1 + length;
            return Ok(Expression::Number(code));
        }
        if before > 0 {
            let character = behind.chars().next().ok_or_else(|| self.wrong("a character"))?;
            self.at += before + character.len_utf8();
            let escaped = ESCAPES.iter().find(|(letter, _)| before == 2 && *letter == character);
            let code = escaped.map_or(u32::from(character), |(_, code)| *code);
            return Ok(Expression::Number(i64::from(code)));
        }
        match rest.first() {
            Some(byte) if self.begins_name() || byte.is_ascii_digit() => {
                Ok(Expression::Code(self.target()?))
            }
            _ => Ok(Expression::Count),
        }
    }

    /// `[#16]`, `[##16]`, `[#16_3]` or `[#_]` before an expression.
    pub(super) fn showing(&mut self) -> Option<Showing> {
        let inside = self.rest().strip_prefix(b"[#")?;
        let end = inside.iter().position(|&byte| byte == b']')?;
        if !self.dialect.arithmetic_shows_bases {
            return None;
        }
        let text = std::str::from_utf8(&inside[..end]).ok()?;
        let (digits, prefix) = match text.strip_prefix('#') {
            Some(digits) => (digits, false),
            None => (text, true),
        };
        let (base, group) = match digits.split_once('_') {
            Some((base, "")) => (base, 3),
            Some((base, group)) => (base, group.parse().ok()?),
            None => (digits, 0),
        };
        let base = if base.is_empty() { 10 } else { base.parse().ok()? };
        self.at += 2 + end + 1;
        (2..=36).contains(&base).then_some(Showing { base, prefix, group })
    }
}
