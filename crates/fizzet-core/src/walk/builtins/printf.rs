//! `printf` (POSIX XBD 5 and XCU printf).

use crate::lineage::{Origin, Rule};
use crate::stop::Stop;
use crate::syntax::arithmetic;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `printf format [arguments]`: the format is used again as long as arguments are left.
pub(super) fn printf(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let mut operands = call.arguments();
    let variable = match operands {
        [option, name, rest @ ..] if option.bytes() == b"-v" && walker.state.dialect.arrays => {
            operands = rest;
            Some(name.bytes().to_vec())
        }
        [first, rest @ ..] if first.bytes() == b"--" => {
            operands = rest;
            None
        }
        _ => None,
    };
    let Some((format, arguments)) = operands.split_first() else {
        return walker.usage(call, "printf FORMAT [ARGUMENT]...");
    };
    let origin = Origin::new(Rule::Output, call.span);
    let mut printing =
        Printing { walker, origin, rest: arguments, out: Text::new(), status: 0, span_of: call };
    loop {
        let before = printing.rest.len();
        if !printing.once(format) || printing.rest.is_empty() || printing.rest.len() == before {
            break;
        }
    }
    let (out, status) = (printing.out, printing.status);
    match variable {
        Some(name) => walker.assign_text(&name, out, call.span)?,
        None => walker.write(out),
    }
    Ok(status)
}

struct Printing<'a> {
    walker: &'a mut Walker,
    origin: Origin,
    rest: &'a [Text],
    out: Text,
    status: u8,
    span_of: &'a Call<'a>,
}

/// A conversion specification.
#[derive(Default)]
struct Specification {
    left: bool,
    zero: bool,
    plus: bool,
    blank: bool,
    alternative: bool,
    width: usize,
    precision: Option<usize>,
}

impl Printing<'_> {
    /// Goes through the format once; false when `\c` ends the output.
    fn once(&mut self, format: &Text) -> bool {
        let bytes = format.bytes();
        let mut at = 0;
        while at < bytes.len() {
            let plain = bytes[at..].iter().take_while(|&&b| !matches!(b, b'%' | b'\\')).count();
            if plain > 0 {
                self.out.push_text(&format.slice(at, at + plain));
                at += plain;
                continue;
            }
            if bytes[at] == b'\\' {
                match escape(&bytes[at + 1..], false) {
                    Some((made, used)) => {
                        self.put(&made);
                        at += 1 + used;
                    }
                    None => {
                        self.put(b"\\");
                        at += 1;
                    }
                }
                continue;
            }
            match self.specification(&bytes[at + 1..]) {
                Some((used, true)) => at += 1 + used,
                Some((_, false)) => return false,
                None => {
                    self.put(b"%");
                    self.status = 1;
                    at += 1;
                }
            }
        }
        true
    }

    fn put(&mut self, bytes: &[u8]) {
        if !bytes.is_empty() {
            self.out.push(bytes, Standing::Quoted, &self.origin);
        }
    }

    fn next(&mut self) -> Option<Text> {
        let (first, rest) = self.rest.split_first()?;
        self.rest = rest;
        Some(first.clone())
    }

    fn next_number(&mut self) -> i64 {
        let Some(text) = self.next() else { return 0 };
        let bytes = text.bytes().trim_ascii_start();
        if let [b'\'' | b'"', quoted @ ..] = bytes {
            let code = crate::expand::pattern::next_character(quoted, true);
            return code.map_or(0, |(code, _)| i64::from(code));
        }
        let (negative, digits) = match bytes {
            [b'-', rest @ ..] => (true, rest),
            [b'+', rest @ ..] => (false, rest),
            _ => (false, bytes),
        };
        let dialect = &self.walker.state.dialect;
        let whole = digits.iter().take_while(|byte| byte.is_ascii_alphanumeric()).count();
        let value = (0..=whole).rev().find_map(|end| {
            arithmetic::constant(&digits[..end], dialect).map(|value| (value, end))
        });
        let (value, end) = value.unwrap_or((0, 0));
        if end < digits.len() {
            self.status = 1;
        }
        if negative { value.wrapping_neg() } else { value }
    }

    /// One conversion behind its `%`: how many bytes it takes, and whether to go on.
    fn specification(&mut self, text: &[u8]) -> Option<(usize, bool)> {
        let mut one = Specification::default();
        let mut at = 0;
        loop {
            match text.get(at)? {
                b'-' => one.left = true,
                b'0' => one.zero = true,
                b'+' => one.plus = true,
                b' ' => one.blank = true,
                b'#' => one.alternative = true,
                _ => break,
            }
            at += 1;
        }
        if text.get(at) == Some(&b'*') {
            let width = self.next_number();
            one.left |= width < 0;
            one.width = width.unsigned_abs().min(1 << 20) as usize;
            at += 1;
        } else {
            one.width = digits(text, &mut at);
        }
        if text.get(at) == Some(&b'.') {
            at += 1;
            one.precision = Some(match text.get(at) {
                Some(b'*') => {
                    at += 1;
                    self.next_number().max(0) as usize
                }
                _ => digits(text, &mut at),
            });
        }
        while matches!(text.get(at), Some(b'l' | b'h' | b'q' | b'j' | b'z' | b't' | b'L'))
            && text.get(at + 1).is_some_and(u8::is_ascii_alphabetic)
        {
            at += 1;
        }
        let letter = *text.get(at)?;
        let goes_on = self.convert(letter, &one)?;
        Some((at + 1, goes_on))
    }

    fn convert(&mut self, letter: u8, one: &Specification) -> Option<bool> {
        match letter {
            b'%' => self.put(b"%"),
            b's' => {
                let text = self.next().unwrap_or_default();
                let end = one.precision.unwrap_or(usize::MAX).min(text.len());
                self.padded(&text.slice(0, end), one);
            }
            b'c' => {
                let text = self.next().unwrap_or_default();
                self.padded(&text.slice(0, text.len().min(1)), one);
            }
            b'b' => {
                let text = self.next().unwrap_or_default();
                let (made, goes_on) = decoded(&text, &self.origin);
                self.padded(&made, one);
                return Some(goes_on);
            }
            b'q' => {
                crate::expand::Context::missing(self.walker, "what %q prints", self.span_of.span);
                self.next();
            }
            b'd' | b'i' => {
                let value = self.next_number();
                let sign = match value {
                    ..0 => "-",
                    _ if one.plus => "+",
                    _ if one.blank => " ",
                    _ => "",
                };
                self.number(sign, &value.unsigned_abs().to_string(), one);
            }
            b'u' => {
                let value = self.next_number() as u64;
                self.number("", &value.to_string(), one);
            }
            b'o' => {
                let value = self.next_number();
                let prefix = if one.alternative { "0" } else { "" };
                self.number(prefix, &format!("{value:o}"), one);
            }
            b'x' | b'X' => {
                let value = self.next_number();
                let (digits, prefix) = match letter {
                    b'x' => (format!("{value:x}"), "0x"),
                    _ => (format!("{value:X}"), "0X"),
                };
                let prefix = if one.alternative && value != 0 { prefix } else { "" };
                self.number(prefix, &digits, one);
            }
            _ => return None,
        }
        Some(true)
    }

    fn number(&mut self, sign: &str, digits: &str, one: &Specification) {
        let least = match one.precision {
            Some(precision) => precision,
            None if one.zero && !one.left => one.width.saturating_sub(sign.len()),
            None => 1,
        };
        let zeros = "0".repeat(least.min(1 << 20).saturating_sub(digits.len()));
        let bytes = format!("{sign}{zeros}{digits}");
        let text = Text::from_bytes(bytes, Standing::Quoted, self.origin.clone());
        self.padded(&text, one);
    }

    fn padded(&mut self, text: &Text, one: &Specification) {
        let blanks = vec![b' '; one.width.min(1 << 20).saturating_sub(text.len())];
        if !one.left {
            self.put(&blanks);
        }
        self.out.push_text(text);
        if one.left {
            self.put(&blanks);
        }
    }
}

fn digits(text: &[u8], at: &mut usize) -> usize {
    let mut value = 0usize;
    while let Some(digit @ b'0'..=b'9') = text.get(*at) {
        value = value.saturating_mul(10).saturating_add(usize::from(digit - b'0'));
        *at += 1;
    }
    value
}

/// A text with the escapes of `echo` and `%b` decoded, and whether output goes on behind it.
pub(super) fn decoded(text: &Text, origin: &Origin) -> (Text, bool) {
    let bytes = text.bytes();
    let mut out = Text::new();
    let mut at = 0;
    while at < bytes.len() {
        let plain = bytes[at..].iter().take_while(|&&byte| byte != b'\\').count();
        if plain > 0 {
            out.push_text(&text.slice(at, at + plain));
            at += plain;
            continue;
        }
        match escape(&bytes[at + 1..], true) {
            Some((made, used)) => {
                out.push(&made, Standing::Quoted, origin);
                at += 1 + used;
            }
            None if bytes.get(at + 1) == Some(&b'c') => return (out, false),
            None => {
                out.push_text(&text.slice(at, at + 1));
                at += 1;
            }
        }
    }
    (out, true)
}

/// What an escape behind its backslash stands for, and how many bytes it takes. With `zero`, octal
/// escapes begin with a zero, as `echo` and `%b` have them.
pub(super) fn escape(text: &[u8], zero: bool) -> Option<(Vec<u8>, usize)> {
    let simple = match text.first()? {
        b'a' => 7,
        b'b' => 8,
        b'e' | b'E' => 27,
        b'f' => 12,
        b'n' => b'\n',
        b'r' => b'\r',
        b't' => b'\t',
        b'v' => 11,
        b'\\' => b'\\',
        b'0'..=b'7' => return octal(text, zero),
        b'x' => {
            let length = text[1..].iter().take(2).take_while(|b| b.is_ascii_hexdigit()).count();
            let digits = std::str::from_utf8(&text[1..=length]).ok()?;
            return Some((vec![u8::from_str_radix(digits, 16).ok()?], 1 + length));
        }
        b'"' | b'\'' if !zero => text[0],
        _ => return None,
    };
    Some((vec![simple], 1))
}

fn octal(text: &[u8], zero: bool) -> Option<(Vec<u8>, usize)> {
    let most = if zero && text[0] == b'0' { 4 } else { 3 };
    let length = text.iter().take(most).take_while(|byte| (b'0'..=b'7').contains(byte)).count();
    let value =
        text[..length].iter().fold(0u32, |value, digit| value * 8 + u32::from(digit - b'0'));
    Some((vec![value as u8], length))
}
