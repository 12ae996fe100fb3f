//! The escapes of `printf`, `echo` and `print`.

use crate::dialect::LargeOctal;
use crate::lineage::Origin;
use crate::syntax::{encoded, numbered};
use crate::text::{Standing, Text};

/// A text with its escapes decoded, and whether output goes on behind it.
pub(super) fn decoded(
    text: &Text,
    origin: &Origin,
    letters: &str,
    large: LargeOctal,
) -> (Text, bool) {
    let (bytes, letters) = (text.bytes(), letters.as_bytes());
    let mut out = Text::new();
    let mut at = 0;
    while at < bytes.len() {
        let plain = bytes[at..].iter().take_while(|&&byte| byte != b'\\').count();
        if plain > 0 {
            out.push_text(&text.slice(at, at + plain));
            at += plain;
            continue;
        }
        match escape(&bytes[at + 1..], letters, large) {
            _ if bytes.get(at + 1) == Some(&b'c') && letters.contains(&b'c') => {
                return (out, false);
            }
            Some((made, used)) => {
                out.push(&made, Standing::Quoted, origin);
                at += 1 + used;
            }
            None => {
                // Both bytes stay, so that a second backslash escapes nothing.
                let end = (at + 2).min(bytes.len());
                out.push_text(&text.slice(at, end));
                at = end;
            }
        }
    }
    (out, true)
}

/// What an escape behind its backslash stands for, and how many bytes it takes; `None` where it is
/// none of the letters.
pub(super) fn escape(text: &[u8], letters: &[u8], large: LargeOctal) -> Option<(Vec<u8>, usize)> {
    let letter = *text.first()?;
    match letter {
        b'0' if letters.contains(&b'0') => return octal(text, 4, large),
        b'0'..=b'7' if letters.contains(&b'1') => return octal(text, 3, large),
        _ if !letters.contains(&letter) || matches!(letter, b'-' | b'.' | b'~') => {
            // The format of `printf` in ksh93 drops any other backslash.
            return letters.contains(&b'*').then(|| (vec![letter], 1));
        }
        _ => {}
    }
    // Without digits it is a NUL, or no escape.
    let nul = letters.contains(&b'.').then(|| (vec![0], 1));
    let simple = match letter {
        b'a' => 7,
        b'b' => 8,
        b'e' | b'E' => 27,
        b'f' => 12,
        b'n' => b'\n',
        b'r' => b'\r',
        b't' => b'\t',
        b'v' => 11,
        b'x' => {
            return hexadecimal(text, 2).map(|(value, used)| (vec![value as u8], used)).or(nul);
        }
        b'u' | b'U' => {
            let most = if letter == b'u' { 4 } else { 8 };
            let Some((value, used)) = hexadecimal(text, most) else { return nul };
            let narrow = letters.contains(&b'-');
            let made = match value {
                0xffff_ff00.. if narrow => vec![value as u8],
                0x1_0000.. if narrow => encoded(0xfffd),
                0x80.. if letters.contains(&b'~') => numbered(value),
                value => encoded(value),
            };
            return Some((made, used));
        }
        other => other,
    };
    Some((vec![simple], 1))
}

fn hexadecimal(text: &[u8], most: usize) -> Option<(u32, usize)> {
    let length = text[1..].iter().take(most).take_while(|b| b.is_ascii_hexdigit()).count();
    let digits = std::str::from_utf8(&text[1..=length]).ok()?;
    Some((u32::from_str_radix(digits, 16).ok()?, 1 + length))
}

fn octal(text: &[u8], most: usize, large: LargeOctal) -> Option<(Vec<u8>, usize)> {
    let (mut value, mut length) = (0u32, 0);
    for digit in text.iter().take(most).take_while(|byte| (b'0'..=b'7').contains(byte)) {
        let next = value * 8 + u32::from(digit - b'0');
        if next > 0o377 && large == LargeOctal::Stops {
            break;
        }
        (value, length) = (next, length + 1);
    }
    let byte = value as u8;
    let made = match large {
        // Of a number that is too large the low byte is a character.
        LargeOctal::Character if value > 0o377 => char::from(byte).to_string().into_bytes(),
        _ => vec![byte],
    };
    Some((made, length))
}
