//! `"${@#p}"` and its kin where the shell takes all parameters for one string in its memory, NULs between them, and
//! looks for the place of the cut in a second string (observed in dash 0.5.12 and busybox sh 1.35, in which
//! `set -- -a b; printf '[%s]' "${@%x}"` prints `[]`).
//!
//! In the first string a mark stands before each character that could be special. The second one is the same without
//! marks; it is made only where there is one to take away before the first NUL, ends at that NUL, and lies behind the
//! pattern. The search steps through both at once. Where they have other lengths it leaves the second one, and
//! compares the pattern with whatever lies before it: so what lies there is kept here, too.

use crate::expand::pattern::{Pattern, PatternRules};
use crate::source::Sources;
use crate::text::Text;

/// Stands before a character that could be special.
const MARK: u8 = 0x81;
/// Stands where quotes of the pattern begin and end.
const QUOTES: u8 = 0x88;

/// How long a pattern may be of which parts are looked at where the search comes upon it.
const MAX_CUT: usize = 4096;

/// Which part of the string is removed.
#[derive(Clone, Copy)]
pub(super) struct Removal {
    pub(super) suffix: bool,
    pub(super) longest: bool,
    /// Whether the parameters stand between double quotes: elsewhere no mark stands before their characters.
    pub(super) quoted: bool,
    /// The characters between quotes that a mark stands before.
    pub(super) marked: &'static str,
    /// Those of them before which a mark becomes a backslash in the pattern.
    pub(super) escaped: &'static str,
    /// Whether the search for the longest prefix ends at once behind a pattern that ends in a star.
    pub(super) hastens: bool,
}

/// What is left of the parameters. `pattern` is the text of the pattern.
pub(super) fn trimmed(
    items: &[Text],
    (pattern, rules): (&Text, PatternRules),
    sources: &Sources,
    removal: Removal,
) -> Vec<Text> {
    if items.is_empty() {
        return Vec::new();
    }
    let memory = Memory::new(items, (pattern, rules), (removal, sources));
    let found = match removal.suffix == removal.longest {
        true => memory.forwards(!removal.suffix),
        false => memory.backwards(!removal.suffix, removal.hastens),
    };
    let kept = match found {
        None => 0..memory.end,
        Some(at) if removal.suffix => 0..at,
        Some(at) => at..memory.end,
    };
    memory.parameters(items, kept)
}

struct Memory<'a> {
    bytes: Vec<u8>,
    /// For each byte of the first string where it comes from: which parameter, and which byte of that.
    places: Vec<(usize, usize)>,
    /// The NUL that ends the first string.
    end: usize,
    /// The second string and the NUL that ends it; the first one, where there is only that.
    bare: (usize, usize),
    pattern: &'a Text,
    compiled: Pattern,
    /// The bytes of the pattern in memory, and how many bytes of its text they stand for so far.
    pattern_at: usize,
    written: Vec<usize>,
    rules: PatternRules,
}

impl<'a> Memory<'a> {
    fn new(
        items: &[Text],
        (pattern, rules): (&'a Text, PatternRules),
        (removal, sources): (Removal, &Sources),
    ) -> Memory<'a> {
        let (mut bytes, mut places) = (Vec::new(), Vec::new());
        for (item, text) in items.iter().enumerate() {
            for (at, &byte) in text.bytes().iter().enumerate() {
                let marked = if removal.quoted { removal.marked.as_bytes() } else { b"" };
                if is_marked(byte, marked) {
                    bytes.push(MARK);
                    places.push((item, at));
                }
                bytes.push(byte);
                places.push((item, at));
            }
            bytes.push(0);
            places.push((item, text.len()));
        }
        let end = bytes.len().saturating_sub(1);
        let first = bytes.split(|&byte| byte == 0).next().unwrap_or_default().to_vec();
        let pattern_at = bytes.len();
        let Written { raw, made, places: written } = Written::new(pattern, removal, sources);
        bytes.extend_from_slice(&made);
        bytes.push(0);
        // What was there before it became shorter.
        bytes.extend_from_slice(raw.get(made.len() + 1..).unwrap_or_default());
        if raw.len() > made.len() {
            bytes.push(0);
        }
        let bare = match first.contains(&MARK) {
            false => (0, end),
            true => {
                let start = bytes.len();
                bytes.extend(unmarked(&first));
                bytes.push(0);
                (start, bytes.len() - 1)
            }
        };
        let compiled = Pattern::from_text(pattern, rules);
        Memory { bytes, places, end, bare, pattern, compiled, pattern_at, written, rules }
    }

    /// Where the NUL is that ends the string at a place.
    fn nul_behind(&self, at: usize) -> usize {
        let length = self.bytes[at..].iter().position(|&byte| byte == 0);
        length.map_or(self.bytes.len(), |length| at + length)
    }

    /// The search from the left: the shortest prefix of the second string, or its longest suffix.
    fn forwards(&self, prefix: bool) -> Option<usize> {
        let string = &self.bytes[self.bare.0..self.nul_behind(self.bare.0)];
        let steps = match prefix {
            true => self.compiled.prefix_ends(string).first().copied()?,
            false => self.compiled.suffix_start(string, true)?,
        };
        let step = |at: usize| at + 1 + usize::from(self.bytes[at] == MARK);
        Some((0..steps).fold(0, |at, _| step(at)))
    }

    /// The search from the right: the longest prefix of the second string, or the shortest suffix of the one that
    /// it is at.
    fn backwards(&self, prefix: bool, hastens: bool) -> Option<usize> {
        let (mut at, mut bare) = (self.end, self.bare.1);
        let mut fits: Box<dyn FnMut(usize) -> bool + '_> = match prefix {
            true => Box::new(self.fitting_prefix()),
            false => Box::new(self.fitting_suffix()),
        };
        let mut marks = 0usize;
        loop {
            if fits(bare) {
                return Some(at);
            }
            if prefix && hastens && self.ends_in_star() {
                return None;
            }
            at = at.checked_sub(1)?;
            match marks.checked_sub(1) {
                Some(left) => marks = left,
                None => {
                    marks = self.bytes[..at].iter().rev().take_while(|&&byte| byte == MARK).count();
                }
            }
            if marks % 2 == 1 {
                marks -= 1;
                at = at.checked_sub(1)?;
            }
            bare = bare.checked_sub(1)?;
        }
    }

    /// Whether the pattern matches the second string when an end is put at a place, which may be outside of it.
    fn fitting_prefix(&self) -> impl FnMut(usize) -> bool + '_ {
        let start = self.bare.0;
        let string = &self.bytes[start..self.nul_behind(start)];
        let ends = self.compiled.prefix_ends(string);
        move |at| {
            let cut = at.checked_sub(self.pattern_at).and_then(|at| self.written.get(at));
            match cut.filter(|_| self.written.len() <= MAX_CUT) {
                // The end has cut the pattern off.
                Some(&length) => {
                    let pattern = self.pattern.slice(0, length);
                    Pattern::from_text(&pattern, self.rules).matches(string)
                }
                None => {
                    let end =
                        at.checked_sub(start).map_or(string.len(), |end| end.min(string.len()));
                    ends.binary_search(&end).is_ok()
                }
            }
        }
    }

    /// Whether the pattern matches the string at a place; each place comes before the one asked for last.
    fn fitting_suffix(&self) -> impl FnMut(usize) -> bool + '_ {
        let mut known: Option<(usize, Option<usize>)> = None;
        move |at| {
            let (from, found) = known.filter(|(from, _)| *from <= at).unwrap_or_else(|| {
                let before = self.bytes[..at].iter().rposition(|&byte| byte == 0);
                let from = before.map_or(0, |nul| nul + 1);
                let string = &self.bytes[from..self.nul_behind(at)];
                (from, self.compiled.suffix_start(string, false).map(|start| from + start))
            });
            known = Some((from, found));
            found == Some(at)
        }
    }

    fn ends_in_star(&self) -> bool {
        self.pattern.bytes().ends_with(b"*") && self.pattern.quoting().last() == Some(&false)
    }

    /// A stretch of the first string as parameters: of each the bytes from the first to the last in the stretch.
    fn parameters(&self, items: &[Text], kept: std::ops::Range<usize>) -> Vec<Text> {
        let mut all = Vec::new();
        let mut bytes: Option<(usize, std::ops::Range<usize>)> = None;
        let mut piece =
            |bytes: Option<(usize, std::ops::Range<usize>)>| {
                all.push(bytes.map_or_else(Text::new, |(item, range)| {
                    items[item].slice(range.start, range.end)
                }));
            };
        let mut at = kept.start;
        while at < kept.end {
            at += usize::from(self.bytes[at] == MARK);
            match self.places.get(at).filter(|_| at < kept.end) {
                Some(_) if self.bytes[at] == 0 => piece(bytes.take()),
                Some(&(item, place)) => {
                    bytes.get_or_insert((item, place..place)).1.end = place + 1;
                }
                None => break,
            }
            at += 1;
        }
        piece(bytes);
        all
    }
}

/// Whether a mark stands before a byte between double quotes.
fn is_marked(byte: u8, marked: &[u8]) -> bool {
    matches!(byte, 0x81..=0x88) || marked.contains(&byte)
}

/// The pattern in memory.
struct Written {
    /// As the shell writes it down first.
    raw: Vec<u8>,
    /// As it is compared: quotes are gone, and a backslash stands for a mark, if it is one that counts.
    made: Vec<u8>,
    /// For each byte of that how many bytes of the text come before it.
    places: Vec<usize>,
}

impl Written {
    fn new(pattern: &Text, removal: Removal, sources: &Sources) -> Written {
        let mut written = Written { raw: Vec::new(), made: Vec::new(), places: Vec::new() };
        let mut at = 0;
        for (run, bytes) in pattern.runs() {
            let quoted = run.is_quoted();
            let in_quotes = quoted && !sources.bytes(run.origin.span()).starts_with(b"\\");
            written.raw.extend(in_quotes.then_some(QUOTES));
            for &byte in bytes {
                let marked = quoted && is_marked(byte, removal.marked.as_bytes());
                if marked {
                    written.raw.push(MARK);
                }
                if marked && removal.escaped.as_bytes().contains(&byte) {
                    written.made.push(b'\\');
                    written.places.push(at);
                }
                written.raw.push(byte);
                written.made.push(byte);
                written.places.push(at);
                at += 1;
            }
            written.raw.extend(in_quotes.then_some(QUOTES));
        }
        written
    }
}

fn unmarked(marked: &[u8]) -> Vec<u8> {
    let mut bytes = Vec::with_capacity(marked.len());
    let mut rest = marked.iter();
    while let Some(&byte) = rest.next() {
        match byte {
            MARK => bytes.extend(rest.next()),
            byte => bytes.push(byte),
        }
    }
    bytes
}
