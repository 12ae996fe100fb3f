//! Brace expansion where it comes after all other expansions, on the fields that they made: ksh93 and
//! mksh. An opener that nothing closes keeps the whole field as it is (observed in both).

use crate::source::Span;
use crate::stop::Stop;
use crate::text::Text;

/// How the braces of a field are expanded.
#[derive(Clone, Copy)]
pub(super) struct Braces {
    /// Whether there are ranges such as `{1..3}`.
    pub(super) ranges: bool,
    /// The most fields.
    pub(super) limit: usize,
    /// The word, for messages.
    pub(super) span: Span,
}

impl Braces {
    /// The fields that the braces of all fields make.
    ///
    /// # Errors
    /// More fields than the limit.
    pub(super) fn expand(self, fields: Vec<Text>) -> Result<Vec<Text>, Stop> {
        if !fields.iter().any(has_opener) {
            return Ok(fields);
        }
        let mut made = Vec::with_capacity(fields.len());
        for field in fields {
            self.field(field, 0, &mut made)?;
        }
        Ok(made)
    }

    /// Expands the first pair of braces at or behind `from`; what comes of it is expanded again.
    fn field(self, field: Text, mut from: usize, made: &mut Vec<Text>) -> Result<(), Stop> {
        let quoted = field.quoting();
        loop {
            let Some(pair) = Pair::find(field.bytes(), &quoted, from) else {
                made.push(field);
                return self.check(made.len());
            };
            if let Some(range) = self.range(&field, &quoted, &pair) {
                return self.numbers(&field, &pair, range, made);
            }
            if pair.commas.is_empty() {
                from = pair.close + 1;
                continue;
            }
            let mut start = pair.open + 1;
            for &end in pair.commas.iter().chain([&pair.close]) {
                let mut one = field.slice(0, pair.open);
                one.push_text(&field.slice(start, end));
                one.push_text(&field.slice(pair.close + 1, field.len()));
                self.field(one, pair.open, made)?;
                start = end + 1;
            }
            return Ok(());
        }
    }

    fn check(self, count: usize) -> Result<(), Stop> {
        if count <= self.limit {
            return Ok(());
        }
        let limit = self.limit as u64;
        Err(Stop::Limit { what: "words of a brace expansion", limit, span: self.span })
    }

    fn range(self, field: &Text, quoted: &[bool], pair: &Pair) -> Option<Range> {
        let inside = pair.open + 1..pair.close;
        let dots = field.bytes()[inside.clone()].windows(2).any(|two| two == b"..");
        if !self.ranges || !dots || !pair.commas.is_empty() {
            return None;
        }
        let plain = |at: usize| field.bytes()[at] != b'.' || !quoted[at];
        Range::read(&field.bytes()[inside.clone()]).filter(|_| inside.clone().all(plain))
    }

    fn numbers(
        self,
        field: &Text,
        pair: &Pair,
        range: Range,
        made: &mut Vec<Text>,
    ) -> Result<(), Stop> {
        let head = field.slice(0, pair.open);
        let tail = field.slice(pair.close + 1, field.len());
        let opener = field.slice(pair.open, pair.open + 1);
        let mut value = range.first;
        loop {
            let mut one = head.clone();
            let text = range.shown(value);
            for (run, _) in opener.runs() {
                one.push(&text, run.standing, &run.origin);
            }
            let from = one.len();
            one.push_text(&tail);
            self.field(one, from, made)?;
            value = value.saturating_add(range.step);
            let goes_on = match range.step {
                ..0 => value >= range.last,
                _ => value <= range.last,
            };
            if !goes_on {
                return Ok(());
            }
        }
    }
}

fn has_opener(field: &Text) -> bool {
    field.runs().any(|(run, bytes)| !run.is_quoted() && bytes.contains(&b'{'))
}

/// An opener, what closes it, and the commas between them that no inner pair holds.
struct Pair {
    open: usize,
    close: usize,
    commas: Vec<usize>,
}

impl Pair {
    fn find(bytes: &[u8], quoted: &[bool], from: usize) -> Option<Pair> {
        let mut active = (from..bytes.len()).filter(|&at| !quoted[at]);
        let open = active.find(|&at| bytes[at] == b'{')?;
        let (mut level, mut commas) = (1u32, Vec::new());
        for at in active {
            match bytes[at] {
                b'{' => level += 1,
                b'}' => level -= 1,
                b',' if level == 1 => commas.push(at),
                _ => {}
            }
            if level == 0 {
                return Some(Pair { open, close: at, commas });
            }
        }
        None
    }
}

/// `first..last` or `first..last..step`: whole numbers as C reads them, or letters of one case.
struct Range {
    first: i64,
    last: i64,
    step: i64,
    letters: bool,
}

impl Range {
    fn read(text: &[u8]) -> Option<Range> {
        let text = std::str::from_utf8(text).ok()?;
        let mut parts = text.splitn(3, "..");
        let (first, last, step) = (parts.next()?, parts.next()?, parts.next());
        let step = match step {
            Some(step) => Some(number(step)?),
            None => None,
        };
        let (first, last, letters) = match (first.as_bytes(), last.as_bytes()) {
            (&[first], &[last]) if first.is_ascii_alphabetic() => {
                let same = first.is_ascii_lowercase() == last.is_ascii_lowercase();
                let both = same && last.is_ascii_alphabetic();
                both.then(|| (i64::from(first), i64::from(last), true))?
            }
            _ => (number(first).filter(|_| !first.is_empty())?, number(last)?, false),
        };
        let step = step.unwrap_or(if first > last { -1 } else { 1 });
        (step != 0).then_some(Range { first, last, step, letters })
    }

    fn shown(&self, value: i64) -> Vec<u8> {
        match self.letters {
            true => vec![value as u8],
            false => value.to_string().into_bytes(),
        }
    }
}

/// A number as `strtol` of C reads it; nothing at all is 0.
fn number(text: &str) -> Option<i64> {
    let (sign, digits) = match text.as_bytes() {
        [b'-', ..] => (-1, &text[1..]),
        [b'+', ..] => (1, &text[1..]),
        _ => (1, text),
    };
    let value = match digits.as_bytes() {
        [] => 0,
        [b'0', b'x' | b'X', ..] => i64::from_str_radix(&digits[2..], 16).ok()?,
        [b'0', _, ..] => i64::from_str_radix(digits, 8).ok()?,
        _ => digits.parse().ok()?,
    };
    Some(sign * value)
}
