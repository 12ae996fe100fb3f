//! How shells quote the values that they tell: `printf %q`, `${x@Q}`, `declare -p`, `alias`, `set`.

use bstr::ByteSlice;

use crate::dialect::{Dialect, DollarQuoting, Requoting};
use crate::expand::unprintable::Unprintable;
use crate::syntax::is_name;

/// The value of an alias, or an action, as the shell tells it; only bash's differs from `@Q`, in that what
/// cannot be shown stands as it is.
pub(crate) fn told(dialect: &Dialect, value: &[u8]) -> Vec<u8> {
    match dialect.requoting {
        Requoting::Always if dialect.dollar_quoting.escapes_some(value) => single_quoted(value),
        _ => requoted_for(dialect, value),
    }
}

/// Quoted as a shell quotes the values that it tells.
pub(crate) fn requoted_for(dialect: &Dialect, value: &[u8]) -> Vec<u8> {
    if dialect.requoting == Requoting::DollarQuotes
        && let Some(name) = name_before_equals(value)
    {
        return [name, &behind_equals(dialect, &value[name.len()..])].concat();
    }
    requoted_whole(dialect, value, false)
}

/// The same for an element or a member, in ksh93.
pub(crate) fn requoted_inside(dialect: &Dialect, value: &[u8]) -> Vec<u8> {
    match name_before_equals(value) {
        Some(name) => [name, b"\\", &behind_equals(dialect, &value[name.len()..])].concat(),
        None => requoted_whole(dialect, value, false),
    }
}

/// The name that stands before `=` at the start of a value.
fn name_before_equals(value: &[u8]) -> Option<&[u8]> {
    let name = &value[..value.find_byte(b'=')?];
    is_name(name).then_some(name)
}

/// `=` or `==`, which ksh93 leaves behind a name, and the rest in quotes. Observed in 93u+m:
/// x='a=b c' y=a==; typeset -p x y
fn behind_equals(dialect: &Dialect, value: &[u8]) -> Vec<u8> {
    let (signs, rest) = value.split_at(if value.starts_with(b"==") { 2 } else { 1 });
    match rest.is_empty() && signs.len() == 1 {
        true => signs.to_vec(),
        false => [signs, &requoted_whole(dialect, rest, true)].concat(),
    }
}

/// `value` is quoted; it may stand behind a name and `=`.
fn requoted_whole(dialect: &Dialect, value: &[u8], is_behind: bool) -> Vec<u8> {
    let style = dialect.dollar_quoting;
    // Observed in ksh93: typeset a='x:y~' b='x~'; typeset -p a b
    let colon = value.find_byte(b':').filter(|_| dialect.requoting == Requoting::DollarQuotes);
    let plain = |(at, byte): (usize, &u8)| {
        byte.is_ascii_alphanumeric()
            || !byte.is_ascii()
            || dialect.requoting_leaves.as_bytes().contains(byte)
            || (b"~#".contains(byte)
                && (colon.is_some_and(|colon| at > colon)
                    || (is_behind && at > 0 && *byte == b'#')))
    };
    // ksh93 has looked for a name before the sign, the others mind it only at the start.
    let has_bare_equals = match dialect.requoting {
        Requoting::DollarQuotes if !is_behind => value.contains(&b'='),
        _ => value.first() == Some(&b'='),
    };
    let needs_none = !value.is_empty() && !has_bare_equals && value.iter().enumerate().all(plain);
    match dialect.requoting {
        Requoting::DoubleQuotes => in_two_quotes(value),
        Requoting::Always if style.escapes_some(value) => in_dollar_quotes(style, value),
        Requoting::Always => requoted(value),
        _ if style.escapes_some(value) => in_dollar_quotes(style, value),
        _ if needs_none => value.to_vec(),
        Requoting::DollarQuotes if value.contains(&b'\'') => in_dollar_quotes(style, value),
        Requoting::Pieces if value.contains(&b'\'') => in_pieces(value),
        _ => single_quoted(value),
    }
}

/// Quoted so that bash reads the same value again: `'a b'`, `'it'\''s'`, `$'a\nb'`.
pub(crate) fn requoted(value: &[u8]) -> Vec<u8> {
    let style = DollarQuoting::Octal;
    match value {
        // Observed in bash 5.2: x="'"; echo ${x@Q}
        b"'" => b"\\'".to_vec(),
        _ if style.escapes_some(value) => in_dollar_quotes(style, value),
        _ => single_quoted(value),
    }
}

/// A value as `declare` shows it.
pub(crate) fn double_quoted(value: &[u8]) -> String {
    if DollarQuoting::Octal.escapes_some(value) {
        return requoted(value).to_str_lossy().into_owned();
    }
    let mut out = String::from("\"");
    for character in value.to_str_lossy().chars() {
        if matches!(character, '"' | '\\' | '$' | '`') {
            out.push('\\');
        }
        out.push(character);
    }
    out + "\""
}

/// A value as the `set` of bash tells it; in its POSIX mode without `$'...'`.
pub(crate) fn quoted_if_needed(value: &[u8], posix: bool) -> Vec<u8> {
    let before = |at: usize| at.checked_sub(1).map(|before| value[before]);
    let is_read_otherwise = |(at, byte): (usize, &u8)| match byte {
        b'~' => matches!(before(at), None | Some(b'=' | b':')),
        b'#' => matches!(before(at), None | Some(b' ' | b'\t')),
        byte => b" \n\t'\"\\|&;()<>!{}*[]?^$`".contains(byte),
    };
    let needs_quotes = value.iter().enumerate().any(is_read_otherwise);
    match needs_quotes || (!posix && DollarQuoting::Octal.escapes_some(value)) {
        true if posix => single_quoted(value),
        true => requoted(value),
        false => value.to_vec(),
    }
}

/// In single quotes what stands between the single quotes of a value: `'x'\'`.
fn in_pieces(value: &[u8]) -> Vec<u8> {
    let mut bytes = Vec::with_capacity(value.len() + 2);
    for (at, piece) in value.split(|&byte| byte == b'\'').enumerate() {
        if at > 0 {
            bytes.extend_from_slice(b"\\'");
        }
        if !piece.is_empty() {
            bytes.extend_from_slice(&[b"'", piece, b"'"].concat());
        }
    }
    bytes
}

/// Single quotes around each piece, double quotes around each run of single quotes, and nothing
/// behind the last of them: `'a'"''"'b'`, `'x'"'"`.
fn in_two_quotes(value: &[u8]) -> Vec<u8> {
    let mut bytes = Vec::with_capacity(value.len() + 2);
    let mut rest = value;
    loop {
        let (piece, behind) = rest.split_at(rest.find_byte(b'\'').unwrap_or(rest.len()));
        bytes.extend_from_slice(&[b"'", piece, b"'"].concat());
        if behind.is_empty() {
            return bytes;
        }
        let (run, behind) =
            behind.split_at(behind.iter().take_while(|&&byte| byte == b'\'').count());
        bytes.extend_from_slice(&[b"\"", run, b"\""].concat());
        if behind.is_empty() {
            return bytes;
        }
        rest = behind;
    }
}

/// In single quotes, whatever it holds: `'a b'`, `'it'\\''s'`.
pub(crate) fn single_quoted(value: &[u8]) -> Vec<u8> {
    let mut bytes = Vec::with_capacity(value.len() + 2);
    bytes.push(b'\'');
    for &byte in value {
        match byte {
            b'\'' => bytes.extend_from_slice(b"'\\''"),
            _ => bytes.push(byte),
        }
    }
    bytes.push(b'\'');
    bytes
}

/// `$'...'` around a value.
pub(crate) fn in_dollar_quotes(style: DollarQuoting, value: &[u8]) -> Vec<u8> {
    let mut out = b"$'".to_vec();
    let mut pieces = pieces(value).peekable();
    while let Some((character, bytes)) = pieces.next() {
        let next = pieces.peek().and_then(|(_, bytes)| bytes.first().copied());
        match bytes {
            b"'" if style == DollarQuoting::OctalAndShort => out.extend_from_slice(b"\\047"),
            b"'" | b"\\" => out.extend_from_slice(&[b'\\', bytes[0]]),
            _ => style.write(character, bytes, next, &mut out),
        }
    }
    out.push(b'\'');
    out
}

/// The characters of a value with their bytes, and each byte that is part of none.
pub(crate) fn pieces(value: &[u8]) -> impl Iterator<Item = (Option<char>, &[u8])> {
    let of_character = |(start, end, character): (usize, usize, char)| {
        let bytes = &value[start..end];
        let is_whole = character != char::REPLACEMENT_CHARACTER || bytes == "\u{fffd}".as_bytes();
        let step = if is_whole { bytes.len() } else { 1 };
        bytes.chunks(step).map(move |bytes| (is_whole.then_some(character), bytes))
    };
    value.char_indices().flat_map(of_character)
}

impl DollarQuoting {
    /// Whether a value holds something that is written as an escape.
    pub(crate) fn escapes_some(self, value: &[u8]) -> bool {
        match value.is_ascii() {
            true => value.iter().any(u8::is_ascii_control),
            false => pieces(value).any(|(character, _)| self.escapes(character)),
        }
    }

    /// Whether a character, or a byte that is part of none, is written as an escape.
    pub(crate) fn escapes(self, character: Option<char>) -> bool {
        match character {
            None => true,
            Some(character) if character.is_ascii() => character.is_ascii_control(),
            Some(_) if self == DollarQuoting::OctalBytes => true,
            Some(character) => self.unprintable().has(character),
        }
    }

    fn unprintable(self) -> Unprintable {
        match self {
            DollarQuoting::Octal
            | DollarQuoting::OctalBytes
            | DollarQuoting::OctalAlone
            | DollarQuoting::Carets => Unprintable::ByLibrary,
            DollarQuoting::OctalAndShort => Unprintable::ByMksh,
            DollarQuoting::Hexadecimal => Unprintable::ByKsh93,
        }
    }

    /// Writes a character, or a byte that is part of none, as it stands in `$'...'` before another byte.
    pub(crate) fn write(
        self,
        character: Option<char>,
        bytes: &[u8],
        next: Option<u8>,
        out: &mut Vec<u8>,
    ) {
        if !self.escapes(character) {
            return out.extend_from_slice(bytes);
        }
        if let Some(letter) = bytes.first().and_then(|byte| self.letter(*byte)) {
            return out.extend_from_slice(&[b'\\', letter]);
        }
        let code = character.map_or(0, u32::from);
        let escape = match self {
            DollarQuoting::OctalAlone if bytes == b"\0" => zero(next),
            DollarQuoting::OctalAndShort if (0x80..0xa0).contains(&code) => {
                format!("\\u{code:04X}")
            }
            DollarQuoting::Hexadecimal if (0x80..0xfffe).contains(&code) => {
                format!("\\u[{code:x}]")
            }
            DollarQuoting::Carets if code >= 0x10000 => format!("\\U{code:08x}"),
            DollarQuoting::Carets if code >= 0x100 => format!("\\u{code:04x}"),
            DollarQuoting::Carets if code >= 0x80 => carets(code as u8),
            DollarQuoting::Carets => bytes.iter().map(|byte| carets(*byte)).collect(),
            DollarQuoting::Hexadecimal => hexadecimal(bytes, next),
            _ => bytes.iter().map(|byte| format!("\\{byte:03o}")).collect(),
        };
        out.extend_from_slice(escape.as_bytes());
    }

    /// The letter of a control character that has one.
    fn letter(self, byte: u8) -> Option<u8> {
        Some(match byte {
            b'\n' => b'n',
            b'\t' => b't',
            _ if self == DollarQuoting::Carets => return None,
            b'\r' => b'r',
            7 => b'a',
            8 => b'b',
            12 => b'f',
            11 if self != DollarQuoting::Hexadecimal => b'v',
            0x1b if self != DollarQuoting::OctalAlone => b'E',
            _ => return None,
        })
    }
}

/// A NUL byte of zsh: with three digits where another one follows.
fn zero(next: Option<u8>) -> String {
    let is_digit = next.is_some_and(|byte| (b'0'..=b'7').contains(&byte));
    if is_digit { "\\000".into() } else { "\\0".into() }
}

/// Bytes of ksh93: in brackets where a hexadecimal digit follows.
fn hexadecimal(bytes: &[u8], next: Option<u8>) -> String {
    let behind = bytes.iter().copied().skip(1).map(Some).chain([next]);
    let shown = bytes.iter().zip(behind).map(|(byte, next)| {
        match next.is_some_and(|next| next.is_ascii_hexdigit()) {
            true => format!("\\x[{byte:02x}]"),
            false => format!("\\x{byte:02x}"),
        }
    });
    shown.collect()
}

/// `\C-A`, `\M-\C-A`
fn carets(byte: u8) -> String {
    match byte {
        0x80.. => format!("\\M-{}", carets(byte & 0x7f)),
        0x7f => "\\C-?".into(),
        0..0x20 => format!("\\C-{}", char::from(byte ^ 0x40)),
        _ => char::from(byte).into(),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn quoted(style: DollarQuoting, value: &[u8]) -> String {
        String::from_utf8_lossy(&in_dollar_quotes(style, value)).into_owned()
    }

    #[test]
    fn each_shell_has_escapes_of_its_own() {
        let value = b"\x01\x0b\x1b\n'\xffg";
        assert_eq!(quoted(DollarQuoting::Octal, value), r"$'\001\v\E\n\'\377g'");
        assert_eq!(quoted(DollarQuoting::OctalAlone, value), r"$'\001\v\033\n\'\377g'");
        assert_eq!(quoted(DollarQuoting::OctalAndShort, value), r"$'\001\v\E\n\047\377g'");
        assert_eq!(quoted(DollarQuoting::Hexadecimal, value), r"$'\x01\x0b\E\n\'\xffg'");
        assert_eq!(quoted(DollarQuoting::Carets, value), r"$'\C-A\C-K\C-[\n\'\M-\C-?g'");
    }

    #[test]
    fn characters_that_cannot_be_shown_are_escaped() {
        let value = "\u{85}\u{2028}a".as_bytes();
        assert_eq!(quoted(DollarQuoting::Octal, value), r"$'\302\205\342\200\250a'");
        assert_eq!(quoted(DollarQuoting::Hexadecimal, value), r"$'\u[85]\u[2028]a'");
        assert_eq!(quoted(DollarQuoting::Carets, value), r"$'\M-\C-E\u2028a'");
        assert_eq!(quoted(DollarQuoting::OctalAndShort, value), "$'\\u0085\u{2028}a'");
    }

    #[test]
    fn a_replacement_character_is_one_like_others() {
        assert!(!DollarQuoting::Octal.escapes_some("\u{fffd}".as_bytes()));
        assert_eq!(pieces(b"\xe2\x80").count(), 2);
    }
}
