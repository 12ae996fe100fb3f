//! Brace expansion: `a{b,c}` and `{1..9}`. POSIX has none; the rules are those observed in bash 5.2.
//!
//! It works on the written word before anything else is expanded. Quoted parts and expansions inside
//! the braces are carried along whole; only unquoted braces, commas and dots count.

use crate::source::Span;
use crate::stop::{Reach, Stop};
use crate::syntax::ast::{Operation, ParameterName, Part, Word};
use crate::syntax::is_name_byte;

/// One unit of a word: an unquoted byte, or a part that is carried along.
#[derive(Clone)]
pub(super) enum Unit {
    Byte(u8, Span),
    /// With the number of braces that it leaves open: an expansion ends at the first brace that closes, and
    /// those that are open inside it then count here (observed in bash 5.2: `${x-{}{a,b}`).
    Part(Part, u32),
    /// Bytes of a sequence such as `{1..9}`.
    Generated(Box<[u8]>, Span),
}

impl Unit {
    fn byte(&self) -> Option<u8> {
        match self {
            Unit::Byte(byte, _) => Some(*byte),
            _ => None,
        }
    }
}

fn open_in(part: &Part) -> u32 {
    match part {
        Part::Literal { bytes, .. } => bytes.iter().filter(|&&byte| byte == b'{').count() as u32,
        Part::Parameter(parameter) if parameter.braced => {
            parameter.words().into_iter().flat_map(|word| &word.parts).map(open_in).sum()
        }
        _ => 0,
    }
}

/// The words that a word's braces make; `None` if they leave it as it is.
///
/// # Errors
/// More words than `limit`.
pub(super) fn words(word: &Word, limit: usize) -> Result<Option<Vec<Word>>, Stop> {
    let opens = |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'{'));
    if !word.parts.iter().any(opens) {
        return Ok(None);
    }
    let units = units(&word.parts);
    let made = Expansion { limit, span: word.span }.expand(&units)?;
    if made.iter().any(|units| opens_substitution(units)) {
        let message = "the braces make a backquote that nothing closes";
        return Err(Stop::error(message, word.span, 1, Reach::Line));
    }
    // An expansion that makes something never makes as many units as there were.
    if matches!(&made[..], [only] if only.len() == units.len()) {
        return Ok(None);
    }
    Ok(Some(made.into_iter().map(|units| Word::new(parts(units), word.span)).collect()))
}

/// Whether a sequence of letters has made a backquote, which begins a substitution where anything stands behind it.
fn opens_substitution(units: &[Unit]) -> bool {
    let is_backquote = |unit: &Unit| matches!(unit, Unit::Generated(bytes, _) if **bytes == *b"`");
    units.split_last().is_some_and(|(_, before)| before.iter().any(is_backquote))
}

fn units(parts: &[Part]) -> Vec<Unit> {
    let mut units = Vec::new();
    for part in parts {
        match part {
            Part::Literal { bytes, span } => {
                units.extend(bytes.iter().enumerate().map(|(at, &byte)| {
                    let start = span.start + at as u32;
                    Unit::Byte(byte, Span { start, end: start + 1, ..*span })
                }));
            }
            other => units.push(Unit::Part(other.clone(), open_in(other))),
        }
    }
    units
}

/// Puts units together again. Text that comes to stand behind `$name` becomes part of the name, as
/// the shell reads the word only after its braces are gone.
fn parts(units: Vec<Unit>) -> Vec<Part> {
    let mut parts: Vec<Part> = Vec::new();
    for unit in units {
        match unit {
            Unit::Part(part, _) => parts.push(part),
            Unit::Generated(bytes, span) if &*bytes == b"\\" => {
                parts.push(Part::Escaped { bytes: [].into(), span });
            }
            Unit::Generated(bytes, span) => {
                let taken = bytes.iter().take_while(|&&byte| extends_name(&mut parts, byte));
                let taken = taken.count();
                if taken < bytes.len() {
                    parts.push(Part::Generated { bytes: bytes[taken..].into(), span });
                }
            }
            // A byte written directly behind the name is no part of it: it was no name byte.
            Unit::Byte(byte, span)
                if parts.last().is_some_and(|part| part.span().end != span.start)
                    && extends_name(&mut parts, byte) => {}
            Unit::Byte(byte, span) => match parts.last_mut() {
                Some(Part::Literal { bytes, span: before })
                    if before.end == span.start || bytes[0] == b'~' =>
                {
                    let mut longer = std::mem::take(bytes).into_vec();
                    longer.push(byte);
                    *bytes = longer.into();
                    before.end = before.end.max(span.end);
                }
                _ => parts.push(Part::Literal { bytes: [byte].into(), span }),
            },
        }
    }
    parts
}

fn extends_name(parts: &mut [Part], byte: u8) -> bool {
    let Some(Part::Parameter(parameter)) = parts.last_mut() else { return false };
    let plain = !parameter.braced && matches!(parameter.operation, Operation::Value);
    let ParameterName::Variable(name) = &mut parameter.name else { return false };
    if !plain || !is_name_byte(byte) {
        return false;
    }
    let mut longer = name.to_vec();
    longer.push(byte);
    *name = longer.into();
    true
}

/// What braces may make, and of which word.
pub(super) struct Expansion {
    pub(super) limit: usize,
    pub(super) span: Span,
}

impl Expansion {
    pub(super) fn expand(&self, units: &[Unit]) -> Result<Vec<Vec<Unit>>, Stop> {
        let mut open = find(units, 0, b'{');
        // A brace that nothing closes is text; another may open behind it.
        while open < units.len() && find(units, open + 1, b'}') == units.len() {
            open = find(units, open + 1, b'{');
        }
        let mut result = vec![units[..open].to_vec()];
        if open == units.len() {
            return Ok(result);
        }
        let start = open + 1;
        let close = find(units, start, b'}');
        let amble = &units[start..close];
        let tack = if has_comma(amble) {
            self.alternatives(amble)?
        } else if let Some(made) = self.sequence(amble)? {
            made
        } else if close + 1 < units.len() {
            vec![units[open..=close].to_vec()]
        } else {
            return Ok(vec![units.to_vec()]);
        };
        result = self.combine(&result, &tack)?;
        if close + 1 < units.len() {
            let rest = self.expand(&units[close + 1..])?;
            result = self.combine(&result, &rest)?;
        }
        Ok(result)
    }

    fn alternatives(&self, amble: &[Unit]) -> Result<Vec<Vec<Unit>>, Stop> {
        let mut made = Vec::new();
        let mut start = 0;
        loop {
            let end = find(amble, start, b',');
            made.append(&mut self.expand(&amble[start..end])?);
            self.check(made.len())?;
            if end == amble.len() {
                return Ok(made);
            }
            start = end + 1;
        }
    }

    fn combine(&self, left: &[Vec<Unit>], right: &[Vec<Unit>]) -> Result<Vec<Vec<Unit>>, Stop> {
        self.check(left.len().saturating_mul(right.len()))?;
        let both = |a: &Vec<Unit>, b: &Vec<Unit>| a.iter().chain(b).cloned().collect();
        Ok(left.iter().flat_map(|a| right.iter().map(move |b| both(a, b))).collect())
    }

    fn check(&self, count: usize) -> Result<(), Stop> {
        if count > self.limit {
            let limit = self.limit as u64;
            return Err(Stop::Limit { what: "words of a brace expansion", limit, span: self.span });
        }
        Ok(())
    }

    /// `x..y` or `x..y..step`, with whole numbers or single letters.
    fn sequence(&self, amble: &[Unit]) -> Result<Option<Vec<Vec<Unit>>>, Stop> {
        let Some(text) = amble.iter().map(Unit::byte).collect::<Option<Vec<u8>>>() else {
            return Ok(None);
        };
        let Some(Range { first, last, step, shape }) = Range::read(&text) else { return Ok(None) };
        let Some(Unit::Byte(_, start)) = amble.first() else { return Ok(None) };
        let span = Span { end: start.start + text.len() as u32, ..*start };
        let count = (first.abs_diff(last) / step.unsigned_abs()) as usize;
        self.check(count.saturating_add(1))?;
        let step = i128::from(step);
        let values = (0..=count as i128).map(|n| i128::from(first) + n * step);
        let units = values.map(|value| vec![Unit::Generated(shape.write(value), span)]);
        Ok(Some(units.collect()))
    }
}

struct Range {
    first: i64,
    last: i64,
    step: i64,
    shape: Shape,
}

/// How the values of a sequence are written.
#[derive(Clone, Copy)]
enum Shape {
    Letter,
    /// Digits, padded with zeros to this width; 0 for no padding.
    Number(usize),
}

impl Range {
    fn read(text: &[u8]) -> Option<Range> {
        let text = std::str::from_utf8(text).ok()?;
        let (left, rest) = text.split_once("..")?;
        let (right, step) = match rest.split_once("..") {
            Some((right, step)) => (right, Some(step)),
            None => (rest, None),
        };
        let (first, last, shape) = match (left.parse::<i64>(), right.parse::<i64>()) {
            (Ok(first), Ok(last)) => (first, last, Shape::Number(padding(left, right))),
            _ => (letter(left)?, letter(right)?, Shape::Letter),
        };
        let step = step.map_or(Ok(1), str::parse::<i64>).ok()?;
        let size = step.checked_abs()?.max(1);
        Some(Range { first, last, step: if first <= last { size } else { -size }, shape })
    }
}

fn letter(text: &str) -> Option<i64> {
    match text.as_bytes() {
        [byte] if byte.is_ascii_alphabetic() => Some(i64::from(*byte)),
        _ => None,
    }
}

/// The width to pad to: that of the longer bound, if one of them begins with a zero.
fn padding(left: &str, right: &str) -> usize {
    let padded = |text: &str| {
        let digits = text.strip_prefix(['-', '+']).unwrap_or(text);
        digits.len() > 1 && digits.starts_with('0')
    };
    if padded(left) || padded(right) { left.len().max(right.len()) } else { 0 }
}

impl Shape {
    fn write(self, value: i128) -> Box<[u8]> {
        match self {
            Shape::Letter => [value as u8].into(),
            Shape::Number(width) => format!("{value:0width$}").into_bytes().into(),
        }
    }
}

/// The place of the next `wanted` at the level it is looked for on, or the end.
///
/// A `}` closes only behind a comma or two dots; a `{` opens nothing when a `}` follows it directly
/// at the start of the word.
fn find(units: &[Unit], from: usize, wanted: u8) -> usize {
    let mut level = 0u32;
    let mut separated = wanted != b'}';
    let mut at = from;
    while at < units.len() {
        let Some(byte) = units[at].byte() else {
            if let Unit::Part(_, open) = &units[at] {
                level += open;
            }
            at += 1;
            continue;
        };
        let next = |ahead: usize| units.get(at + ahead).and_then(Unit::byte);
        if byte == wanted && level == 0 && separated {
            let empty_pair = byte == b'{' && at == 0 && next(1) == Some(b'}');
            if !empty_pair {
                return at;
            }
            at += 1;
            continue;
        }
        match byte {
            b'{' => level += 1,
            b'}' if level > 0 => level -= 1,
            b',' if wanted == b'}' && level == 0 => separated = true,
            b'.' if wanted == b'}' && level == 0 => {
                separated |= next(1) == Some(b'.') && next(2) != Some(wanted);
            }
            _ => {}
        }
        at += 1;
    }
    units.len()
}

fn has_comma(amble: &[Unit]) -> bool {
    amble.iter().any(|unit| unit.byte() == Some(b','))
}
