//! Brace expansion where it comes after all other expansions, on the fields that they made: ksh93 and
//! mksh. An opener that nothing closes keeps the whole field as it is (observed in both).

use crate::dialect::{BraceRanges, Dialect};
use crate::expand::brace_format::Format;
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::stop::Stop;
use crate::text::{Run, Standing, Text};

/// What a brace expansion sees in quoted text.
#[derive(Clone, Copy)]
pub(super) enum InQuoted {
    /// Commas, dots and openers of values, but no closers; and dots that are written.
    Values,
    /// All of it.
    All,
}

/// Whether a run is quoted and not written so, but comes from an expansion.
fn is_quoted_value(run: &Run) -> bool {
    run.is_quoted() && !matches!(run.origin.rule(), Rule::Quoted | Rule::AnsiC | Rule::Join)
}

/// How the braces of a field are expanded.
#[derive(Clone, Copy)]
pub(super) struct Braces<'d> {
    /// The rules of the shell.
    pub(super) dialect: &'d Dialect,
    /// Whether braces count that come from values.
    pub(super) in_values: bool,
    /// What of quoted text counts, where an opener is written outside of quotes.
    pub(super) in_quoted: Option<InQuoted>,
    /// Whether `{abc}` makes a field of each letter.
    pub(super) letters: bool,
    /// The most fields.
    pub(super) limit: usize,
    /// The word, for messages.
    pub(super) span: Span,
    /// Whether the word as it is written has a pattern outside quotes.
    pub(super) in_pattern: bool,
    /// Whether something outside quotes is expanded in the word.
    pub(super) has_bare_values: bool,
}

impl Braces<'_> {
    /// The fields that the braces of all fields make.
    ///
    /// # Errors
    /// More fields than the limit.
    pub(super) fn expand(self, fields: Vec<Text>) -> Result<Vec<Text>, Stop> {
        if !fields.iter().any(|field| self.has_opener(field)) {
            return Ok(fields);
        }
        let mut made = Vec::with_capacity(fields.len());
        for field in fields {
            let is_written = |(run, bytes): (&Run, &[u8])| {
                run.standing == Standing::Plain && bytes.contains(&b'{')
            };
            let in_quoted = self.in_quoted.filter(|_| field.runs().any(is_written));
            Braces { in_quoted, ..self }.field(field, 0, &mut made)?;
        }
        Ok(made)
    }

    /// Expands the first pair of braces at or behind `from`; what comes of it is expanded again.
    fn field(self, field: Text, mut from: usize, made: &mut Vec<Text>) -> Result<(), Stop> {
        let quoted = self.quoting(&field);
        loop {
            let Some(open) = next_opener(field.bytes(), &quoted, from) else {
                made.push(field);
                return self.check(made.len());
            };
            let Some(pair) = Pair::find(field.bytes(), &quoted, open) else {
                from = if self.dialect.open_brace_spoils { field.len() } else { open + 1 };
                continue;
            };
            let behind = pair.close + 1;
            let grouped = field.bytes().get(behind) == Some(&b'(')
                && field.run_at(open).is_some_and(|run| run.standing == Standing::Plain)
                && self.is_bare(&field, behind);
            if grouped && self.dialect.parenthesis_keeps_braces {
                from = behind;
                continue;
            }
            if let Some(range) = self.range(&field, &quoted, &pair) {
                return self.numbers(&field, &pair, range, made);
            }
            if pair.commas.is_empty() {
                if let Some(parts) = self.other_parts(&field, &pair) {
                    return parts.into_iter().try_for_each(|part| {
                        let one = pair.with(&field, &part);
                        self.field(one, pair.open + part.len(), made)
                    });
                }
                from = if self.dialect.open_brace_spoils { pair.close + 1 } else { pair.open + 1 };
                continue;
            }
            let mut start = pair.open + 1;
            for &end in pair.commas.iter().chain([&pair.close]) {
                let one = pair.with(&field, &field.slice(start, end));
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

    /// Whether a byte of a field stood outside quotes, as far as the field still tells.
    fn is_bare(self, field: &Text, at: usize) -> bool {
        field.run_at(at).is_some_and(|run| match run.origin.rule() {
            Rule::Quoted | Rule::AnsiC => false,
            Rule::Literal => true,
            _ => self.has_bare_values,
        })
    }

    /// For each byte, whether it cannot be a brace.
    fn quoting(self, field: &Text) -> Vec<bool> {
        let mut marks = Vec::with_capacity(field.len());
        for (run, bytes) in field.runs() {
            let counts = run.standing == Standing::Plain || (self.in_values && !run.is_quoted());
            match self.in_quoted {
                Some(InQuoted::All) => marks.resize(marks.len() + bytes.len(), false),
                Some(InQuoted::Values) if is_quoted_value(run) => {
                    marks.extend(bytes.iter().map(|byte| !matches!(byte, b'{' | b',' | b'.')));
                }
                Some(InQuoted::Values) if run.is_quoted() && !run.is_escaped(bytes) => {
                    marks.extend(bytes.iter().map(|byte| *byte != b'.'));
                }
                _ => marks.resize(marks.len() + bytes.len(), !counts),
            }
        }
        if self.dialect.escaped_opener_counts {
            self.escaped_openers(field, &mut marks);
        }
        marks
    }

    /// Marks braces behind a backslash as openers, and what is quoted between commas and dots in such a pair, where the
    /// field is a pattern or another opener stands behind them. Any sign of patterns, a
    /// backslash or a parenthesis among them, makes a field a pattern here.
    fn escaped_openers(self, field: &Text, marks: &mut [bool]) {
        let opener = next_opener(field.bytes(), marks, 0);
        let is_pattern = |bytes: &[u8]| bytes.iter().any(|byte| b"*?[\\&()|".contains(byte));
        let made_one = field.runs().any(|(run, bytes)| !run.is_quoted() && is_pattern(bytes));
        let reach = match self.in_values && (self.in_pattern || made_one) {
            true => field.len(),
            false => opener.unwrap_or(0),
        };
        let (mut at, mut inside) = (0, false);
        for (run, bytes) in field.runs().take_while(|(run, _)| run.end as usize <= reach) {
            if run.is_escaped(bytes) && bytes == b"{" {
                marks[at] = false;
                inside = true;
            } else if inside && run.is_quoted() {
                let separates = |byte: &u8| matches!(byte, b',' | b'.');
                let marks = marks[at..].iter_mut().zip(bytes);
                marks.filter(|(_, byte)| separates(byte)).for_each(|(mark, _)| *mark = false);
            }
            at = run.end as usize;
        }
    }

    fn has_opener(self, field: &Text) -> bool {
        let counts = |run: &Run| !run.is_quoted() || self.dialect.escaped_opener_counts;
        field.runs().any(|(run, bytes)| counts(run) && bytes.contains(&b'{'))
    }

    /// What a pair without commas makes, if anything: a field of each letter, or the inside alone
    /// where it looks like a range and is none.
    fn other_parts(self, field: &Text, pair: &Pair) -> Option<Vec<Text>> {
        let inside = pair.open + 1..pair.close;
        let bytes = &field.bytes()[inside.clone()];
        if self.letters && !bytes.is_empty() {
            return Some(self.each_letter(&field.slice(inside.start, inside.end)));
        }
        let bare = self.dialect.brace_ranges == BraceRanges::Turned && is_loose_range(bytes);
        bare.then(|| vec![field.slice(inside.start, inside.end)])
    }

    /// The bytes of a text in their order, each once, with all of a range such as `a-c`.
    fn each_letter(self, text: &Text) -> Vec<Text> {
        let bytes = text.bytes();
        let mut places: [Option<usize>; 256] = [None; 256];
        let mut last = None;
        for (at, &byte) in bytes.iter().enumerate() {
            let range = last.zip(bytes.get(at + 1)).filter(|&(last, &next)| last <= next);
            if let (b'-', Some((first, &next))) = (byte, range) {
                (first..next).for_each(|one| {
                    places[usize::from(one)].get_or_insert(at);
                });
                last = None;
                continue;
            }
            places[usize::from(byte)] = Some(at);
            last = Some(byte);
        }
        let letter = |(code, place): (usize, &Option<usize>)| {
            let written = text.slice((*place)?, (*place)? + 1);
            let code = u8::try_from(code).ok()?;
            if written.bytes() == [code] {
                return Some(written);
            }
            let (run, _) = written.runs().next()?;
            Some(Text::from_bytes([code], Standing::Quoted, made_by_braces(run)))
        };
        places.iter().enumerate().filter_map(letter).collect()
    }

    fn range(self, field: &Text, quoted: &[bool], pair: &Pair) -> Option<Range> {
        let inside = pair.open + 1..pair.close;
        let bytes = &field.bytes()[inside.clone()];
        if !bytes.windows(2).any(|two| two == b"..") || !pair.commas.is_empty() {
            return None;
        }
        let any = self.dialect.quoted_dots_make_ranges;
        let plain = |at: usize| field.bytes()[at] != b'.' || !quoted[at] || any;
        let range = match self.dialect.brace_ranges {
            BraceRanges::None => None,
            BraceRanges::Turned => Range::turned(bytes),
            BraceRanges::Plain | BraceRanges::Padded => Range::read(bytes),
        };
        range.filter(|_| inside.clone().all(plain))
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
        for value in range.values() {
            let mut one = head.clone();
            let text = range.shown(value);
            for (run, _) in opener.runs() {
                one.push(&text, Standing::Quoted, &made_by_braces(run));
            }
            let from = one.len();
            one.push_text(&tail);
            self.field(one, from, made)?;
        }
        Ok(())
    }
}

/// Where the bytes of a range come from that is written in this run.
fn made_by_braces(run: &Run) -> Origin {
    let hop = Hop { rule: Rule::Brace, span: run.origin.span(), name: None, shifted: 0 };
    run.origin.then(hop)
}

/// The next opening brace that is not quoted.
fn next_opener(bytes: &[u8], quoted: &[bool], from: usize) -> Option<usize> {
    (from..bytes.len()).find(|&at| bytes[at] == b'{' && !quoted[at])
}

/// Whether a text has the shape of a range of numbers, some of which may be missing.
fn is_loose_range(text: &[u8]) -> bool {
    let Ok(text) = std::str::from_utf8(text) else { return false };
    let digits =
        |part: &str| part.strip_prefix('-').unwrap_or(part).bytes().all(|b| b.is_ascii_digit());
    text.contains("..") && text.split("..").all(digits)
}

/// An opener, what closes it, and the commas between them that no inner pair holds.
struct Pair {
    open: usize,
    close: usize,
    commas: Vec<usize>,
}

impl Pair {
    /// What closes the opener at a place.
    fn find(bytes: &[u8], quoted: &[bool], open: usize) -> Option<Pair> {
        let (mut level, mut commas) = (1u32, Vec::new());
        for at in (open + 1..bytes.len()).filter(|&at| !quoted[at]) {
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

    /// The field with this in the place of the pair.
    fn with(&self, field: &Text, part: &Text) -> Text {
        let mut one = field.slice(0, self.open);
        one.push_text(part);
        one.push_text(&field.slice(self.close + 1, field.len()));
        one
    }
}

/// `first..last` or `first..last..step`: whole numbers as C reads them, or letters of one case.
struct Range {
    first: i64,
    last: i64,
    step: i64,
    letters: bool,
    /// The width that numbers are padded to.
    width: usize,
    /// Whether the values come in the other order.
    backwards: bool,
    /// How the numbers are shown.
    format: Option<Format>,
}

impl Range {
    fn read(text: &[u8]) -> Option<Range> {
        let text = std::str::from_utf8(text).ok()?;
        let (text, format) = match text.split_once('%') {
            Some((text, format)) => (text, Some(Format::read(format)?)),
            None => (text, None),
        };
        let mut parts = text.splitn(3, "..");
        let (first, last, step) = (parts.next()?, parts.next()?, parts.next());
        let step = match step {
            Some(step) => Some(number(step)?),
            None => None,
        };
        let (first, last, letters) = match (first.as_bytes(), last.as_bytes()) {
            (&[first], &[last]) if first.is_ascii_alphabetic() && format.is_none() => {
                let same = first.is_ascii_lowercase() == last.is_ascii_lowercase();
                let both = same && last.is_ascii_alphabetic();
                both.then(|| (i64::from(first), i64::from(last), true))?
            }
            _ => (number(first).filter(|_| !first.is_empty())?, number(last)?, false),
        };
        let step = step.unwrap_or(if first > last { -1 } else { 1 });
        let (width, backwards) = (0, false);
        (step != 0).then_some(Range { first, last, step, letters, width, backwards, format })
    }

    /// Of any characters, or of padded numbers with a step that may turn them round.
    fn turned(text: &[u8]) -> Option<Range> {
        let text = std::str::from_utf8(text).ok()?;
        let mut characters = text.chars();
        let between = [(); 4].map(|()| characters.next());
        let mut parts = text.splitn(3, "..");
        let (left, right, step) = (parts.next()?, parts.next()?, parts.next());
        let digits = |part: &str| {
            let digits = part.strip_prefix('-').unwrap_or(part);
            !digits.is_empty() && digits.bytes().all(|byte| byte.is_ascii_digit())
        };
        if !digits(left) || !digits(right) {
            // One character before the dots and one behind them, which may be dots as well.
            let [Some(first), Some('.'), Some('.'), Some(last)] = between else { return None };
            let (first, last) = (i64::from(u32::from(first)), i64::from(u32::from(last)));
            let step = if first > last { -1 } else { 1 };
            let width = 0;
            let (letters, backwards, format) = (true, false, None);
            let range = Range { first, last, step, letters, width, backwards, format };
            return characters.next().is_none().then_some(range);
        }
        let size: i64 = match step {
            Some(step) if !digits(step) => return None,
            Some(step) => step.parse().ok().filter(|step| *step != 0)?,
            None => 1,
        };
        let (first, last): (i64, i64) = (left.parse().ok()?, right.parse().ok()?);
        // The first part that begins with a zero says how wide all numbers are.
        let padded = |part: &&str| part.strip_prefix('-').unwrap_or(part).starts_with('0');
        let width = [Some(left), Some(right), step].into_iter().flatten().find(padded);
        let width = width.map_or(0, str::len);
        let backwards = size < 0;
        let size = size.checked_abs()?;
        let step_towards = if first > last { -size } else { size };
        let (step, letters, format) = (step_towards, false, None);
        Some(Range { first, last, step, letters, width, backwards, format })
    }

    /// All values; the first one comes in any case.
    fn values(&self) -> Vec<i64> {
        let mut values = vec![self.first];
        let mut value = self.first;
        while let Some(next) = value.checked_add(self.step)
            && (if self.step < 0 { next >= self.last } else { next <= self.last })
            && values.len() <= 1_000_000
        {
            values.push(next);
            value = next;
        }
        if self.backwards {
            values.reverse();
        }
        values
    }

    fn shown(&self, value: i64) -> Vec<u8> {
        if let Some(format) = &self.format {
            return format.shown(value);
        }
        match (self.letters, self.width) {
            (true, _) => {
                let character = u32::try_from(value).ok().and_then(char::from_u32);
                character.map_or_else(Vec::new, |one| one.to_string().into_bytes())
            }
            (false, width) => format!("{value:0width$}").into_bytes(),
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
        [b'-' | b'+', ..] => return None,
        [b'0', b'x' | b'X', ..] => i64::from_str_radix(&digits[2..], 16).ok()?,
        // What is no octal number is a decimal one.
        [b'0', _, ..] if let Ok(value) = i64::from_str_radix(digits, 8) => value,
        _ => digits.parse().ok()?,
    };
    Some(sign * value)
}
