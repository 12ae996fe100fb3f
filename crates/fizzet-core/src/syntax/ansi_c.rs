//! `$'...'`: escapes as in C (POSIX 2024 XCU 2.2.4; the details observed in each shell).

use crate::dialect::Dialect;

/// Decodes what stands between `$'` and `'`.
///
/// A NUL (`\0`, `\x00`) ends the text, since no argument can hold one.
pub(crate) fn decode(body: &[u8], dialect: &Dialect) -> Vec<u8> {
    let mut out = Vec::with_capacity(body.len());
    let mut at = 0;
    while let Some(&byte) = body.get(at) {
        at += 1;
        if byte != b'\\' {
            out.push(byte);
            continue;
        }
        let Some(&letter) = body.get(at) else {
            out.push(b'\\');
            break;
        };
        at += 1;
        let simple = match letter {
            b'a' => 7,
            b'b' => 8,
            b'e' | b'E' => 27,
            b'f' => 12,
            b'n' => b'\n',
            b'r' => b'\r',
            b't' => b'\t',
            b'v' => 11,
            b'\\' | b'\'' | b'"' | b'?' => letter,
            _ => 0,
        };
        if simple != 0 {
            out.push(simple);
            continue;
        }
        if !numeric(letter, body, &mut at, &mut out, dialect) {
            break;
        }
    }
    out
}

/// Escapes that carry a number; answers false when they end the text with a NUL.
fn numeric(letter: u8, body: &[u8], at: &mut usize, out: &mut Vec<u8>, dialect: &Dialect) -> bool {
    match letter {
        b'0'..=b'7' => {
            *at -= 1;
            let value = digits(body, at, 8, 3).unwrap_or(0) as u8;
            push_unless_nul(value, out)
        }
        b'x' if dialect.braced_hexadecimal && body.get(*at) == Some(&b'{') => {
            *at += 1;
            let value = digits(body, at, 16, 8).unwrap_or(0);
            *at += usize::from(body.get(*at) == Some(&b'}'));
            push_unless_nul(value as u8, out)
        }
        b'x' => match digits(body, at, 16, 2) {
            Some(value) => push_unless_nul(value as u8, out),
            None => {
                out.extend_from_slice(b"\\x");
                true
            }
        },
        b'u' | b'U' => {
            let most = if letter == b'u' { 4 } else { 8 };
            match digits(body, at, 16, most).map(char::from_u32) {
                Some(Some('\0')) => false,
                Some(Some(character)) => {
                    out.extend_from_slice(character.encode_utf8(&mut [0; 4]).as_bytes());
                    true
                }
                Some(None) => true,
                None => {
                    out.extend_from_slice(&[b'\\', letter]);
                    true
                }
            }
        }
        b'c' => {
            let Some(&next) = body.get(*at) else {
                out.extend_from_slice(b"\\c");
                return true;
            };
            *at += 1;
            push_unless_nul(if next == b'?' { 127 } else { next & 31 }, out)
        }
        other => {
            if dialect.unknown_escape_keeps_backslash {
                out.push(b'\\');
            }
            out.push(other);
            true
        }
    }
}

fn push_unless_nul(value: u8, out: &mut Vec<u8>) -> bool {
    if value != 0 {
        out.push(value);
    }
    value != 0
}

/// Up to `most` digits of a base.
fn digits(body: &[u8], at: &mut usize, base: u32, most: usize) -> Option<u32> {
    let start = *at;
    let mut value = 0u32;
    while *at - start < most
        && let Some(digit) = body.get(*at).and_then(|&byte| (byte as char).to_digit(base))
    {
        value = value.wrapping_mul(base).wrapping_add(digit);
        *at += 1;
    }
    (*at > start).then_some(value)
}
