//! Bytes that know where they came from.
//!
//! A [`Text`] is the value of every word, variable, argument and output in Fizzet. Its provenance is
//! run-length coded: consecutive bytes with the same origin and the same standing form one [`Run`].
//! Runs always cover the bytes exactly, in order. A run may be empty: an empty quoted run is what
//! keeps `''` alive as an argument, and an empty hole stands for bytes that are not known.

use std::borrow::Cow;
use std::num::NonZeroU16;

use smallvec::SmallVec;

use crate::lineage::{Hop, Origin, Rule};

/// The most runs that a stored value keeps; see [`Text::bound_runs`].
const MAX_STORED_RUNS: usize = 96;

/// How later stages of the expansion treat the bytes of a run.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Standing {
    /// Unquoted and written by the author: may form patterns, is not split.
    Plain,
    /// Unquoted and the result of an expansion that is not split: may form patterns.
    Value,
    /// Unquoted and the result of an expansion: may form patterns, is split at IFS.
    Splittable,
    /// As `Splittable`, but white space of IFS separates like any other character of IFS.
    Strict,
    /// As `Splittable`: a list whose values were joined before they are split.
    Joined,
    /// The result of an expansion that is split at IFS but forms no patterns.
    Inert,
    /// Quoted: stands for itself in every later stage.
    Quoted,
}

impl Standing {
    /// Whether field splitting looks at it.
    pub fn is_split(self) -> bool {
        matches!(self, Standing::Splittable | Standing::Strict | Standing::Joined | Standing::Inert)
    }
}

/// Which bytes a hole stands for: holes of one name stand for the same bytes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct HoleName(NonZeroU16);

impl HoleName {
    /// The process number of the shell, which stays the same.
    pub const SHELL_NUMBER: HoleName = HoleName(NonZeroU16::MIN);

    /// The name behind this one; `None` when all are given away.
    pub fn next(self) -> Option<HoleName> {
        self.0.checked_add(1).map(HoleName)
    }
}

/// A stretch of bytes with one origin.
#[derive(Clone, Debug)]
pub struct Run {
    /// One past the last byte of the run, counted from the start of the text.
    pub end: u32,
    /// How later stages treat it.
    pub standing: Standing,
    /// Whether the bytes that belong here are not known.
    pub hole: bool,
    /// Which bytes those are, where that is known: as a program printed them, say.
    pub name: Option<HoleName>,
    /// Why it is there.
    pub origin: Origin,
}

impl Run {
    /// Whether the shell itself tells what nobody knows beforehand, a number mostly, however far that has come since.
    pub fn is_told(&self) -> bool {
        self.origin.hops().last().is_some_and(|first| first.rule() == Rule::Shell)
    }

    /// Whether the run forms no patterns.
    pub fn is_quoted(&self) -> bool {
        matches!(self.standing, Standing::Quoted | Standing::Inert)
    }

    /// Whether the run is the one byte that is written behind a backslash; `bytes` are those of the run.
    pub fn is_escaped(&self, bytes: &[u8]) -> bool {
        let span = self.origin.span();
        self.origin.rule() == Rule::Quoted && bytes.len() == 1 && span.end - span.start == 2
    }

    fn continues(&self, standing: Standing, origin: &Origin) -> bool {
        !self.hole && self.standing == standing && self.origin.same(origin)
    }
}

/// Most words are short: their bytes need no memory of their own.
type Bytes = SmallVec<[u8; 16]>;

/// Bytes with provenance.
#[derive(Default, Debug)]
pub struct Text {
    bytes: Bytes,
    runs: SmallVec<[Run; 1]>,
}

impl Clone for Text {
    fn clone(&self) -> Text {
        // Copies the bytes in one go, and most often one run, which the vectors' own clone does not.
        let runs = match &self.runs[..] {
            [run] => SmallVec::from_buf([run.clone()]),
            runs => runs.into(),
        };
        Text { bytes: Bytes::from_slice(&self.bytes), runs }
    }
}

impl Text {
    /// A text with no bytes and no runs.
    pub fn new() -> Text {
        Text::default()
    }

    /// Bytes with one origin.
    pub fn from_bytes(bytes: impl Into<Vec<u8>>, standing: Standing, origin: Origin) -> Text {
        Text::of(Bytes::from_vec(bytes.into()), standing, origin)
    }

    /// The name of the hole that is all of this text, if it is one.
    pub(crate) fn lone_hole(&self) -> Option<HoleName> {
        match &self.runs[..] {
            [run] if run.hole => run.name,
            _ => None,
        }
    }

    /// Other bytes where the first of this text come from, or the same text if it is empty.
    pub fn with_bytes(&self, bytes: &[u8]) -> Text {
        match self.runs.first() {
            Some(run) => Text::copied(bytes, Standing::Quoted, run.origin.clone()),
            None => self.clone(),
        }
    }

    /// A copy of bytes, with one origin.
    pub fn copied(bytes: &[u8], standing: Standing, origin: Origin) -> Text {
        Text::of(Bytes::from_slice(bytes), standing, origin)
    }

    fn of(bytes: Bytes, standing: Standing, origin: Origin) -> Text {
        let run = Run { end: bytes.len() as u32, standing, hole: false, name: None, origin };
        Text { bytes, runs: SmallVec::from_buf([run]) }
    }

    /// The bytes.
    pub fn bytes(&self) -> &[u8] {
        &self.bytes
    }

    /// Length in bytes.
    pub fn len(&self) -> usize {
        self.bytes.len()
    }

    /// About how many bytes of memory it takes, its origins not counted.
    pub(crate) fn weight(&self) -> usize {
        let bytes = if self.bytes.spilled() { self.bytes.capacity() } else { 0 };
        let runs = if self.runs.spilled() { self.runs.capacity() * size_of::<Run>() } else { 0 };
        size_of::<Text>() + bytes + runs
    }

    /// Whether there are no bytes. Such a text may still have (empty) runs.
    pub fn is_empty(&self) -> bool {
        self.bytes.is_empty()
    }

    /// Whether there are neither bytes nor runs: such a field vanishes.
    pub fn is_nothing(&self) -> bool {
        self.bytes.is_empty() && self.runs.is_empty()
    }

    /// A text of which nothing is known.
    pub fn hole(origin: &Origin) -> Text {
        let mut hole = Text::new();
        hole.push_hole(Standing::Quoted, origin);
        hole
    }

    /// Whether some bytes are not known.
    pub fn has_hole(&self) -> bool {
        self.runs.iter().any(|run| run.hole)
    }

    /// Whether it may be any number of arguments instead of one: there is a hole in it outside quotes, which the shell
    /// takes apart. What the shell itself tells is a number mostly.
    pub fn may_be_several(&self) -> bool {
        self.runs.iter().any(|run| run.hole && run.standing.is_split() && !run.is_told())
    }

    /// Says of the holes that any number of arguments may come of them.
    pub(crate) fn let_holes_be_several(&mut self) {
        let holes = self.runs.iter_mut().filter(|run| run.hole);
        holes.for_each(|run| run.standing = Standing::Splittable);
    }

    /// The runs, each with the bytes that it covers.
    pub fn runs(&self) -> impl Iterator<Item = (&Run, &[u8])> {
        let mut start = 0;
        self.runs.iter().map(move |run| {
            let from = std::mem::replace(&mut start, run.end as usize);
            (run, &self.bytes[from..run.end as usize])
        })
    }

    /// How many runs there are.
    pub fn run_count(&self) -> usize {
        self.runs.len()
    }

    /// Appends bytes. Appending no bytes leaves an empty run only if it is quoted.
    pub fn push(&mut self, bytes: &[u8], standing: Standing, origin: &Origin) {
        if bytes.is_empty() && standing != Standing::Quoted {
            return;
        }
        self.bytes.extend_from_slice(bytes);
        let end = self.bytes.len() as u32;
        match self.runs.last_mut() {
            Some(last) if last.continues(standing, origin) => last.end = end,
            _ => {
                let origin = origin.clone();
                self.runs.push(Run { end, standing, hole: false, name: None, origin });
            }
        }
    }

    /// Marks that bytes which are not known belong here.
    pub fn push_hole(&mut self, standing: Standing, origin: &Origin) {
        self.push_named_hole(None, standing, origin);
    }

    /// The same for bytes that have a name.
    pub fn push_named_hole(&mut self, name: Option<HoleName>, standing: Standing, origin: &Origin) {
        let end = self.bytes.len() as u32;
        self.runs.push(Run { end, standing, hole: true, name, origin: origin.clone() });
    }

    /// Forgets the names of the holes: what is made of a text may be something else than it.
    pub fn forget_names(&mut self) {
        self.runs.iter_mut().for_each(|run| run.name = None);
    }

    /// The bytes, with a mark for each hole that only the same hole has: no bytes without holes hold such marks.
    /// `None` if there is a hole without a name.
    pub fn marked_bytes(&self) -> Option<Cow<'_, [u8]>> {
        if !self.has_hole() {
            return Some(Cow::Borrowed(self.bytes()));
        }
        let mut marked = Vec::with_capacity(self.len() + 8);
        for (run, bytes) in self.runs() {
            marked.extend_from_slice(bytes);
            if run.hole {
                marked.extend(format!("\0{:04x}\0", run.name?.0).into_bytes());
            }
        }
        Some(Cow::Owned(marked))
    }

    /// Appends a run of another text with its bytes.
    pub fn push_run(&mut self, run: &Run, bytes: &[u8]) {
        self.bytes.extend_from_slice(bytes);
        self.runs.push(Run { end: self.bytes.len() as u32, ..run.clone() });
    }

    /// Appends another text, runs and all.
    pub fn push_text(&mut self, other: &Text) {
        let base = self.bytes.len() as u32;
        self.bytes.extend_from_slice(&other.bytes);
        let mut runs = other.runs.iter();
        if let (Some(last), Some(first)) = (self.runs.last_mut(), other.runs.first())
            && !first.hole
            && last.continues(first.standing, &first.origin)
        {
            last.end = base + first.end;
            runs.next();
        }
        self.runs.extend(runs.map(|run| Run { end: base + run.end, ..run.clone() }));
    }

    /// The part `start..end`, with its provenance. Empty runs at the edges belong to the part only
    /// if the part is the whole text.
    pub fn slice(&self, start: usize, end: usize) -> Text {
        if start == 0 && end == self.len() {
            return self.clone();
        }
        let mut part = Text::new();
        part.push_part(self, start, end);
        part
    }

    /// Takes away the empty quotes at the end, back to the run with this number.
    pub(crate) fn drop_last_empty_quotes(&mut self, first: usize) {
        while self.runs.len() > first {
            let start = self.runs.iter().nth_back(1).map_or(0, |run| run.end);
            let Some(last) = self.runs.last() else { return };
            let quotes = matches!(last.origin.rule(), Rule::Quoted | Rule::AnsiC);
            if last.end > start || last.hole || !quotes {
                return;
            }
            self.runs.pop();
        }
    }

    /// The run that holds the byte at `at`.
    pub fn run_at(&self, at: usize) -> Option<&Run> {
        self.runs.iter().find(|run| run.end as usize > at)
    }

    /// The same with the holes in it, at its start and at its end.
    pub fn slice_with_holes(&self, start: usize, end: usize) -> Text {
        let mut part = Text::new();
        let mut from = 0;
        for run in &self.runs {
            let (low, high) = (from.max(start), (run.end as usize).min(end));
            from = run.end as usize;
            if run.hole && (start..=end).contains(&from) {
                part.push_run(run, b"");
            } else if low < high {
                part.push(&self.bytes[low..high], run.standing, &run.origin);
            }
        }
        part
    }

    /// Where the first line begins that is not known as a whole: one with a hole that may hold newlines. What
    /// a shell itself tells of the machine holds none.
    pub fn first_unknown_line(&self) -> Option<usize> {
        let hole = self.runs.iter().find(|run| run.hole && !run.is_told())?;
        let before = &self.bytes[..hole.end as usize];
        Some(before.iter().rposition(|&byte| byte == b'\n').map_or(0, |newline| newline + 1))
    }

    /// The same text with these bytes in the place of each hole; none are as it should be.
    pub(crate) fn with_holes_of(&self, bytes: &[u8]) -> Text {
        let mut all = Text::new();
        for (run, own) in self.runs() {
            all.push_run(run, if run.hole { bytes } else { own });
        }
        all
    }

    /// Appends the part `start..end` of another text, with its provenance but without empty runs. A hole belongs to
    /// the part that begins there, or to the one that ends where the text does.
    pub fn push_part(&mut self, other: &Text, start: usize, end: usize) {
        let mut from = 0;
        for run in &other.runs {
            let (low, high) = (from.max(start), (run.end as usize).min(end));
            from = run.end as usize;
            if run.hole && start <= from && (from < end || end == other.len()) {
                self.push_run(run, b"");
            } else if low < high {
                self.bytes.extend_from_slice(&other.bytes[low..high]);
                let end = self.bytes.len() as u32;
                match self.runs.last_mut() {
                    Some(last) if !run.hole && last.continues(run.standing, &run.origin) => {
                        last.end = end;
                    }
                    _ => self.runs.push(Run { end, ..run.clone() }),
                }
            }
            if from >= end && end < other.len() {
                break;
            }
        }
    }

    /// The same bytes with a later hop on every run, and one standing for all of them.
    pub fn passed_through(&self, hop: &Hop, standing: Standing) -> Text {
        Passage::new(hop, standing).of(self)
    }

    /// The same text with every run quoted.
    pub fn quoted(mut self) -> Text {
        self.set_standing(Standing::Quoted);
        self
    }

    /// Gives every run this standing.
    pub fn set_standing(&mut self, standing: Standing) {
        for run in &mut self.runs {
            run.standing = standing;
        }
    }

    /// Lets what is quoted behind an offset form patterns, as values do: the runs that `which` holds for.
    pub fn form_patterns_from(&mut self, at: usize, which: impl Fn(&Run) -> bool) {
        for run in self.runs.iter_mut().filter(|run| run.end as usize > at && run.is_quoted()) {
            if which(run) {
                run.standing = Standing::Value;
            }
        }
    }

    /// Makes the commas that are written outside of braces behind an offset stand for themselves there.
    pub fn hide_commas_from(&mut self, at: usize) {
        if !self.bytes[at..].contains(&b',') {
            return;
        }
        let mut made = Text::new();
        let mut depth = 0usize;
        for (run, bytes) in self.runs() {
            let before = at.saturating_sub(made.len()).min(bytes.len());
            if run.hole || run.standing != Standing::Plain || before == bytes.len() {
                made.push_run(run, bytes);
                continue;
            }
            made.push(&bytes[..before], run.standing, &run.origin);
            for byte in &bytes[before..] {
                match byte {
                    b'{' => depth += 1,
                    b'}' => depth = depth.saturating_sub(1),
                    _ => {}
                }
                let hides = *byte == b',' && depth == 0;
                let standing = if hides { Standing::Value } else { Standing::Plain };
                made.push(std::slice::from_ref(byte), standing, &run.origin);
            }
        }
        *self = made;
    }

    /// The text where, in unquoted values, the character behind a backslash is quoted and the backslash is
    /// gone; one at the end of a value is quoted itself. With `one`, all values are parts of one; else those are that
    /// come from the same expansion.
    pub fn unquoted_values(&self, one: bool) -> Text {
        let mut made = Text::new();
        // The run whose last byte is a backslash that may quote the first byte of the next one.
        let mut open: Option<&Run> = None;
        for (run, bytes) in self.runs() {
            let is_value = !run.hole && !matches!(run.standing, Standing::Plain | Standing::Quoted);
            let mut rest = bytes;
            if let Some(before) = open.take() {
                let joins = is_value && (one || before.origin.span() == run.origin.span());
                match rest.split_first().filter(|_| joins) {
                    Some((_, behind)) => {
                        made.push(&rest[..1], Standing::Quoted, &run.origin);
                        rest = behind;
                    }
                    None => made.push(b"\\", Standing::Quoted, &before.origin),
                }
            }
            while let Some(at) = rest.iter().position(|&byte| byte == b'\\').filter(|_| is_value) {
                let (before, behind) = (&rest[..at], &rest[at + 1..]);
                made.push(before, run.standing, &run.origin);
                match behind.split_first() {
                    Some((_, further)) => {
                        made.push(&behind[..1], Standing::Quoted, &run.origin);
                        rest = further;
                    }
                    None => (open, rest) = (Some(run), behind),
                }
            }
            match run.hole {
                true => made.push_run(run, b""),
                false => made.push(rest, run.standing, &run.origin),
            }
        }
        if let Some(before) = open {
            made.push(b"\\", Standing::Quoted, &before.origin);
        }
        made
    }

    /// Appends a backslash-free copy of the runs' quoting: for each byte, whether it is quoted.
    pub fn quoting(&self) -> Vec<bool> {
        let mut marks = Vec::with_capacity(self.len());
        for (run, bytes) in self.runs() {
            marks.resize(marks.len() + bytes.len(), run.is_quoted());
        }
        marks
    }

    /// Folds the middle runs into one when there are very many, so that a value which is stored
    /// again and again stays linear in its bytes.
    pub fn bound_runs(&mut self) {
        if self.runs.len() <= MAX_STORED_RUNS || self.has_hole() {
            return;
        }
        let kept = MAX_STORED_RUNS / 2 - 1;
        let tail = self.runs.len() - kept;
        let folded = Run {
            end: self.runs[tail - 1].end,
            origin: self.runs[kept].origin.then(Hop {
                rule: Rule::Folded,
                span: self.runs[kept].origin.span(),
                name: None,
                shifted: 0,
            }),
            ..self.runs[kept].clone()
        };
        let rest: SmallVec<[Run; 1]> = self.runs[tail..].iter().cloned().collect();
        self.runs.truncate(kept);
        self.runs.push(folded);
        self.runs.extend(rest);
    }
}

/// A hop that many texts make one after the other.
///
/// Neighbouring runs that had the same origin share the new one, within a text and from one to the
/// next: a million words of one expansion cost one hop.
pub struct Passage<'a> {
    hop: &'a Hop,
    standing: Standing,
    /// The latest origin, and what it became.
    latest: Option<(Origin, Origin)>,
}

impl<'a> Passage<'a> {
    /// A passage that nothing has made yet.
    pub fn new(hop: &'a Hop, standing: Standing) -> Passage<'a> {
        Passage { hop, standing, latest: None }
    }

    /// Texts behind a hop that all of them make.
    pub fn all<'t>(
        hop: &Hop,
        standing: Standing,
        texts: impl IntoIterator<Item = &'t Text>,
    ) -> Vec<Text> {
        let mut passage = Passage::new(hop, standing);
        texts.into_iter().map(|text| passage.of(text)).collect()
    }

    /// A text behind the hop.
    pub fn of(&mut self, text: &Text) -> Text {
        let mut runs: SmallVec<[Run; 1]> = SmallVec::with_capacity(text.runs.len());
        for run in &text.runs {
            let origin = self.origin(&run.origin);
            match runs.last_mut() {
                Some(last) if !run.hole && last.continues(self.standing, &origin) => {
                    last.end = run.end;
                }
                _ => {
                    let Run { end, hole, name, .. } = *run;
                    runs.push(Run { end, standing: self.standing, hole, name, origin });
                }
            }
        }
        Text { bytes: Bytes::from_slice(&text.bytes), runs }
    }

    fn origin(&mut self, before: &Origin) -> Origin {
        if let Some((known, behind)) = &self.latest
            && known.same(before)
        {
            return behind.clone();
        }
        let behind = before.then(self.hop.clone());
        self.latest = Some((before.clone(), behind.clone()));
        behind
    }
}

/// The offsets between the characters of a value, its start and end included; between its bytes if
/// `characters` is false.
pub(crate) fn character_ends(bytes: &[u8], characters: bool) -> Vec<usize> {
    let mut ends = vec![0];
    let mut at = 0;
    while let Some((_, length)) = next_character(&bytes[at..], characters) {
        at += length;
        ends.push(at);
    }
    ends
}

/// How many characters a value has; how many bytes if `characters` is false.
pub(crate) fn character_count(bytes: &[u8], characters: bool) -> usize {
    if !characters || bytes.is_ascii() {
        return bytes.len();
    }
    let (mut count, mut at) = (0, 0);
    while let Some((_, length)) = next_character(&bytes[at..], characters) {
        at += length;
        count += 1;
    }
    count
}

/// The characters of a value, each a text of its own.
pub(crate) fn characters(text: &Text) -> Vec<Text> {
    let ends = character_ends(text.bytes(), true);
    ends.windows(2).map(|two| text.slice(two[0], two[1])).collect()
}

/// What the code of a byte that is part of no character is counted from.
pub(crate) const BROKEN: u32 = 0x11_0000;

/// The code of the first character and its length in bytes. A byte that is not part of valid UTF-8
/// counts as one character that no valid one equals.
pub(crate) fn next_character(bytes: &[u8], characters: bool) -> Option<(u32, usize)> {
    let &first = bytes.first()?;
    if !characters || first < 128 {
        return Some((u32::from(first), 1));
    }
    match bstr::decode_utf8(bytes) {
        (Some(character), length) => Some((u32::from(character), length)),
        (None, _) => Some((BROKEN + u32::from(first), 1)),
    }
}

/// Two texts are equal when their bytes are; provenance does not count.
impl PartialEq for Text {
    fn eq(&self, other: &Text) -> bool {
        self.bytes == other.bytes
    }
}

impl Eq for Text {}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{Standing, Text};
    use crate::lineage::{Hop, Origin, Rule};
    use crate::source::{SourceId, Span};

    fn origin(at: usize) -> Origin {
        Origin::new(Rule::Literal, Span::new(SourceId::MAIN, at, at + 1))
    }

    fn covers_exactly(text: &Text) -> bool {
        let joined: Vec<u8> = text.runs().flat_map(|(_, bytes)| bytes.to_vec()).collect();
        joined == text.bytes()
    }

    proptest! {
        #[test]
        fn runs_cover_the_bytes_through_every_operation(
            pieces in proptest::collection::vec((proptest::collection::vec(any::<u8>(), 0..5), 0..3usize), 0..8),
            cut in (0..20usize, 0..20usize),
        ) {
            let origins = [origin(0), origin(1), origin(2)];
            let mut text = Text::new();
            let mut plain = Vec::new();
            for (bytes, which) in &pieces {
                text.push(bytes, [Standing::Plain, Standing::Quoted, Standing::Splittable][*which], &origins[*which]);
                plain.extend_from_slice(bytes);
            }
            prop_assert_eq!(text.bytes(), &plain[..]);
            prop_assert!(covers_exactly(&text));
            let end = cut.0.max(cut.1).min(plain.len());
            let start = cut.0.min(cut.1).min(end);
            let part = text.slice(start, end);
            prop_assert_eq!(part.bytes(), &plain[start..end]);
            prop_assert!(covers_exactly(&part));
            let mut twice = part.clone();
            twice.push_text(&text);
            prop_assert!(covers_exactly(&twice));
            let hop = Hop { rule: Rule::Parameter, span: origin(3).span(), name: None, shifted: 0 };
            let passed = twice.passed_through(&hop, Standing::Splittable);
            prop_assert!(covers_exactly(&passed));
            prop_assert_eq!(passed.bytes(), twice.bytes());
        }
    }

    #[test]
    fn a_stored_value_of_many_runs_is_folded_and_keeps_its_bytes() {
        let mut text = Text::new();
        for at in 0..10_000 {
            text.push(b"x", Standing::Plain, &origin(at));
        }
        text.bound_runs();
        assert!(text.run_count() < 100);
        assert_eq!(text.len(), 10_000);
        assert!(covers_exactly(&text));
    }
}
