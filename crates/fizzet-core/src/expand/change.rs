//! What the operations of a parameter expansion make of one text: `${x#p}`, `${x/p/r}`, `${x^p}`.

use std::rc::Rc;

use crate::expand::pattern::Pattern;
use crate::lineage::{Hop, Origin, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{CaseChange, Replace};
use crate::text::{Standing, Text, character_ends, next_character};

/// What `${x#p}` and its kin take away from a text.
pub(super) fn removed_range(
    bytes: &[u8],
    pattern: &Pattern,
    suffix: bool,
    longest: bool,
) -> Option<(usize, usize)> {
    if pattern.is_loose() {
        return loose_range(bytes, pattern, suffix, longest);
    }
    if suffix {
        return pattern.suffix_start(bytes, longest).map(|start| (start, bytes.len()));
    }
    let end = match longest {
        true => pattern.longest_end(bytes),
        false => {
            let mut ends = pattern.prefix_ends(bytes).into_iter();
            ends.find(|&end| pattern.is_boundary(bytes, end))
        }
    };
    end.map(|end| (0, end))
}

/// The same of a regular expression, which need not reach an end of the text: the first match, but for `%` the last
/// one, and each time what stands behind its start counts (observed in ksh93u+m: `x=abb; echo ${x%~(E)b+}`).
fn loose_range(
    bytes: &[u8],
    pattern: &Pattern,
    suffix: bool,
    longest: bool,
) -> Option<(usize, usize)> {
    match (suffix, longest) {
        (true, false) => {
            let starts = character_ends(bytes, true).into_iter().rev();
            let ends = |start: usize| pattern.prefix_ends(&bytes[start..]).first().copied();
            starts.filter_map(|start| Some((start, start + ends(start)?))).next()
        }
        (_, true) => pattern.search(bytes).next_or_empty(0),
        (false, false) => pattern.search(bytes).next_shortest(0),
    }
}

/// What is put in the place of a match: texts with the match itself, or a group of it, between each two of them.
pub(super) struct Replacement {
    around: Vec<Text>,
    /// What stands between them: 0 is the match as a whole.
    between: Vec<u8>,
}

/// Which signs of a replacement stand for something else.
#[derive(Clone, Copy)]
pub(super) struct Signs {
    /// An unquoted `&` stands for the match.
    pub(super) ampersand: bool,
    /// A backslash that an expansion has brought in quotes another one, and `&`.
    pub(super) backslashes: bool,
    /// A digit behind an unquoted backslash stands for a group of the match, `\0` for all of it.
    pub(super) groups: bool,
}

impl Replacement {
    /// A text that is put in as it is.
    pub(super) fn of(text: Text) -> Replacement {
        Replacement { around: vec![text.quoted()], between: Vec::new() }
    }

    /// A replacement in which some signs stand for something else.
    pub(super) fn new(text: &Text, signs: Signs) -> Replacement {
        let bytes = text.bytes();
        let has_signs = (signs.ampersand && bytes.contains(&b'&'))
            || (signs.backslashes && bytes.contains(&b'\\'))
            || (signs.groups && bytes.iter().any(u8::is_ascii_digit));
        if !has_signs {
            return Replacement { around: vec![text.clone().quoted()], between: Vec::new() };
        }
        let quoted = text.quoting();
        let escaped = if signs.groups { escaped_bytes(text) } else { Vec::new() };
        let mut made = Replacement { around: Vec::new(), between: Vec::new() };
        let mut piece = Text::new();
        let (mut from, mut at) = (0, 0);
        while at < bytes.len() {
            let next = bytes.get(at + 1).copied();
            let bare = next.filter(|_| !quoted[at + 1]);
            let (length, meaning) = match bytes[at] {
                b'&' if signs.ampersand && !quoted[at] => (1, Some(0)),
                b'\\'
                    if signs.backslashes
                        && !quoted[at]
                        && (bare == Some(b'\\') || (signs.ampersand && bare == Some(b'&'))) =>
                {
                    (1, None)
                }
                b'\\' if signs.groups && !quoted[at] => match next {
                    Some(digit @ b'0'..=b'9') => (2, Some(digit - b'0')),
                    _ => (0, None),
                },
                digit @ b'0'..=b'9' if signs.groups && escaped[at] => (1, Some(digit - b'0')),
                _ => (0, None),
            };
            if length == 0 {
                at += 1;
                continue;
            }
            piece.push_text(&text.slice(from, at).quoted());
            from = at + length;
            at = from;
            match meaning {
                Some(meaning) => {
                    made.around.push(std::mem::take(&mut piece));
                    made.between.push(meaning);
                }
                // What a backslash has quoted is text.
                None => at += 1,
            }
        }
        let rest = match from {
            0 => text.clone(),
            from => text.slice(from, text.len()),
        };
        piece.push_text(&rest.quoted());
        made.around.push(piece);
        made
    }

    /// Whether a group of the match stands in it.
    pub(super) fn has_groups(&self) -> bool {
        self.between.iter().any(|&meaning| meaning > 0)
    }

    /// The same with what the groups have matched, numbered from 1, in their places.
    pub(super) fn with_groups(
        &self,
        text: &Text,
        groups: &[Option<(usize, usize)>],
    ) -> Replacement {
        let mut made = Replacement { around: Vec::new(), between: Vec::new() };
        let mut piece = Text::new();
        for (at, around) in self.around.iter().enumerate() {
            match at.checked_sub(1).map(|before| self.between[before]) {
                None => {}
                Some(0) => {
                    made.around.push(std::mem::take(&mut piece));
                    made.between.push(0);
                }
                Some(number) => {
                    let group = groups.get(usize::from(number) - 1).copied().flatten();
                    if let Some((start, end)) = group {
                        piece.push_text(&text.slice(start, end).quoted());
                    }
                }
            }
            piece.push_text(around);
        }
        made.around.push(piece);
        made
    }

    /// The same, having come through an expansion.
    pub(super) fn passed_through(self, hop: &Hop) -> Replacement {
        let pass = |text: &Text| text.passed_through(hop, Standing::Quoted);
        let between = self.between;
        Replacement { around: self.around.iter().map(pass).collect(), between }
    }

    /// Puts the replacement of a match behind what is made already.
    pub(super) fn put(&self, made: &mut Text, text: &Text, (start, end): (usize, usize)) {
        for (at, between) in self.around.iter().enumerate() {
            if at > 0 {
                made.push_part(text, start, end);
            }
            made.push_text(between);
        }
    }

    /// As [`Replacement::put`], where pieces are no longer told apart.
    fn put_folded(&self, made: &mut Text, matched: &[u8], origin: &Origin) {
        for (at, text) in self.around.iter().enumerate() {
            if at > 0 {
                made.push(matched, Standing::Quoted, origin);
            }
            made.push(text.bytes(), Standing::Quoted, origin);
        }
    }
}

/// For each byte, whether it was written behind a backslash that quotes it.
fn escaped_bytes(text: &Text) -> Vec<bool> {
    let mut marks = Vec::with_capacity(text.len());
    for (run, bytes) in text.runs() {
        marks.resize(marks.len() + bytes.len(), run.is_escaped(bytes));
    }
    marks
}

/// A value with a replacement before each of its characters.
pub(super) fn before_each(
    text: &Text,
    mut next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
) -> Result<Text, Stop> {
    let mut made = Text::new();
    for pair in character_ends(text.bytes(), true).windows(2) {
        let found = (pair[0], pair[0]);
        next(found)?.put(&mut made, text, found);
        made.push_part(text, pair[0], pair[1]);
    }
    Ok(made)
}

/// Whether `${x:/pattern/r}` replaces a value; a pattern that is written as nothing finds nothing.
fn matches_whole(pattern: &Pattern, bytes: &[u8]) -> bool {
    pattern.literal() != Some(b"") && pattern.matches(bytes)
}

/// A value in which the shortest matches are replaced.
pub(super) fn replaced_shortest(
    text: &Text,
    pattern: &Pattern,
    mut next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
    which: Replace,
    limit: usize,
) -> Result<Text, Stop> {
    let bytes = text.bytes();
    let found = match which {
        Replace::Prefix => pattern.prefix_ends(bytes).first().map(|&end| (0, end)),
        Replace::Suffix => pattern.suffix_start(bytes, false).map(|start| (start, bytes.len())),
        Replace::Whole => matches_whole(pattern, bytes).then_some((0, bytes.len())),
        _ => {
            let search = pattern.search(bytes);
            return replaced_where(text, |at| search.next_shortest(at), next, which, limit);
        }
    };
    let Some((start, end)) = found else { return Ok(text.clone()) };
    let mut made = text.slice(0, start);
    next((start, end))?.put(&mut made, text, (start, end));
    made.push_part(text, end, bytes.len());
    Ok(made)
}

/// A value in which what a search at or behind an offset finds is replaced; behind a match of nothing one character is kept.
pub(super) fn replaced_where(
    text: &Text,
    find: impl Fn(usize) -> Option<(usize, usize)>,
    mut next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
    which: Replace,
    limit: usize,
) -> Result<Text, Stop> {
    let bytes = text.bytes();
    let mut changed = Changed { text, made: Text::new(), folded: None };
    let mut at = 0;
    while (at < bytes.len() || bytes.is_empty())
        && changed.made.len() <= limit
        && let Some((start, end)) = find(at)
    {
        changed.keep(at, start);
        let replacement = next((start, end))?;
        changed.put(&replacement, (start, end));
        at = end;
        if which != Replace::All || bytes.is_empty() {
            break;
        }
        if start == end {
            let length = next_character(&bytes[at..], true).map_or(0, |(_, length)| length);
            changed.keep(at, at + length);
            at += length;
        }
    }
    changed.keep(at, bytes.len());
    Ok(changed.made)
}

/// A value in which matches from the `nth` on are replaced; where only one is, those that are passed over may overlap.
pub(super) fn replaced_from(
    text: &Text,
    (pattern, shortest, nth): (&Pattern, bool, usize),
    next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
    which: Replace,
    limit: usize,
) -> Result<Text, Stop> {
    let bytes = text.bytes();
    let search = pattern.search(bytes);
    let find = |at: usize| match shortest {
        true => search.next_shortest(at),
        false => search.next(at),
    };
    let mut from = 0;
    for _ in 1..nth {
        let passed = find(from).and_then(|(start, end)| {
            let (_, length) = next_character(&bytes[start..], true)?;
            Some(if which == Replace::All { end.max(start + length) } else { start + length })
        });
        let Some(behind) = passed else { return Ok(text.clone()) };
        from = behind;
    }
    replaced_where(text, |at| find(at.max(from)), next, which, limit)
}

/// A value in which matches are replaced; `next` is asked for the replacement of each.
pub(super) fn replaced(
    text: &Text,
    pattern: &Pattern,
    mut next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
    which: Replace,
    limit: usize,
) -> Result<Text, Stop> {
    let bytes = text.bytes();
    let mut made = Text::new();
    match which {
        _ if pattern.is_loose() => {
            let which = if which == Replace::All { which } else { Replace::First };
            let search = pattern.search(bytes);
            return replaced_where(text, |at| search.next_or_empty(at), next, which, limit);
        }
        Replace::Prefix => {
            let Some(end) = pattern.longest_end(bytes) else { return Ok(text.clone()) };
            next((0, end))?.put(&mut made, text, (0, end));
            made.push_part(text, end, bytes.len());
        }
        Replace::Suffix => {
            let Some(start) = pattern.suffix_start(bytes, true) else { return Ok(text.clone()) };
            made.push_part(text, 0, start);
            next((start, bytes.len()))?.put(&mut made, text, (start, bytes.len()));
        }
        Replace::Whole if matches_whole(pattern, bytes) => {
            next((0, bytes.len()))?.put(&mut made, text, (0, bytes.len()));
        }
        Replace::Whole | Replace::Each => return Ok(text.clone()),
        // A pattern that matches nothing at all, such as `*`, matches an empty value.
        Replace::First | Replace::All
            if bytes.is_empty() && pattern.literal() != Some(b"") && pattern.matches(b"") =>
        {
            next((0, 0))?.put(&mut made, text, (0, 0));
        }
        Replace::First | Replace::All if pattern.is_in_order() => {
            let search = pattern.search(bytes);
            return replaced_where(text, |at| search.next(at), next, which, limit);
        }
        Replace::First | Replace::All => {
            let mut at = 0;
            let mut changed = Changed { text, made, folded: None };
            let search = pattern.search(bytes);
            while at < bytes.len()
                && changed.made.len() <= limit
                && let Some((start, end)) = search.next(at)
            {
                changed.keep(at, start);
                let replacement = next((start, end))?;
                changed.put(&replacement, (start, end));
                at = end;
                if which == Replace::First {
                    break;
                }
            }
            changed.keep(at, bytes.len());
            made = changed.made;
        }
    }
    Ok(made)
}

/// A value whose parts are kept or replaced one after the other; from some number on its pieces are no longer
/// told apart.
struct Changed<'t> {
    text: &'t Text,
    made: Text,
    folded: Option<Origin>,
}

impl Changed<'_> {
    /// Once there are too many pieces, the next ones have one origin.
    fn fold(&mut self) {
        if self.folded.is_none() && self.made.run_count() > MAX_TOLD_APART {
            self.folded = folded_origin(self.text);
        }
    }

    fn keep(&mut self, from: usize, to: usize) {
        self.fold();
        match &self.folded {
            Some(origin) => {
                self.made.push(&self.text.bytes()[from..to], Standing::Quoted, origin);
            }
            None => self.made.push_part(self.text, from, to),
        }
    }

    fn put(&mut self, replacement: &Replacement, (from, to): (usize, usize)) {
        self.fold();
        match &self.folded {
            Some(origin) => {
                let bytes = &self.text.bytes()[from..to];
                replacement.put_folded(&mut self.made, bytes, origin);
            }
            None => replacement.put(&mut self.made, self.text, (from, to)),
        }
    }
}

/// A value in which all matches of a pattern are replaced that matches an empty text too: that counts before each
/// character that no other match takes, and at the end, but not right behind another match.
pub(super) fn replaced_everywhere(
    text: &Text,
    pattern: &Pattern,
    mut next: impl FnMut((usize, usize)) -> Result<Rc<Replacement>, Stop>,
    limit: usize,
) -> Result<Text, Stop> {
    let end = text.len();
    let search = pattern.search(text.bytes());
    let mut changed = Changed { text, made: Text::new(), folded: None };
    let (mut at, mut behind) = (0, None);
    loop {
        let found = search.next(at);
        let whole = found.filter(|(start, end)| end > start);
        // One that is empty counts as the places before it do.
        let stop = match (whole, found) {
            (Some((start, _)), _) => start,
            (None, Some((start, _))) => (start + 1).min(end),
            (None, None) => end,
        };
        while at < stop && changed.made.len() <= limit {
            if behind != Some(at) {
                let replacement = next((at, at))?;
                changed.put(&replacement, (at, at));
            }
            let rest = &text.bytes()[at..];
            let length = crate::text::next_character(rest, true).map_or(1, |(_, length)| length);
            changed.keep(at, at + length);
            at += length;
        }
        if changed.made.len() > limit || (whole.is_none() && at >= end) {
            break;
        }
        let Some(found) = whole else { continue };
        let replacement = next(found)?;
        changed.put(&replacement, found);
        (at, behind) = (found.1, Some(found.1));
        if at == end {
            break;
        }
    }
    if behind != Some(end) {
        let replacement = next((end, end))?;
        changed.put(&replacement, (end, end));
    }
    Ok(changed.made)
}

/// How many pieces of a value with replacements are told apart.
const MAX_TOLD_APART: usize = 4096;

/// The origin of pieces that are no longer told apart.
fn folded_origin(text: &Text) -> Option<Origin> {
    let (run, _) = text.runs().next()?;
    let span = run.origin.span();
    Some(run.origin.then(Hop { rule: Rule::Folded, span, name: None, shifted: 0 }))
}

/// Changes the case of characters; a character whose other case is longer stays as it is.
pub(super) fn cased(text: &Text, change: CaseChange, all: bool, pattern: Option<&Pattern>) -> Text {
    let mut made = Text::new();
    let mut first = true;
    for (run, bytes) in text.runs() {
        let mut changed = Vec::with_capacity(bytes.len());
        for chunk in bstr::ByteSlice::utf8_chunks(bytes) {
            for character in chunk.valid().chars() {
                let mut buffer = [0; 4];
                let fits = pattern.is_none_or(|pattern| {
                    pattern.matches(character.encode_utf8(&mut buffer).as_bytes())
                });
                let wanted = fits && (all || first);
                first = false;
                let upper = match change {
                    CaseChange::Upper => true,
                    CaseChange::Lower => false,
                    CaseChange::Other => !character.is_uppercase(),
                };
                let other = match (wanted, upper) {
                    (true, true) => one(character.to_uppercase()).unwrap_or(character),
                    (true, false) => one(character.to_lowercase()).unwrap_or(character),
                    _ => character,
                };
                changed.extend_from_slice(other.encode_utf8(&mut buffer).as_bytes());
            }
            changed.extend_from_slice(chunk.invalid());
        }
        made.push(&changed, run.standing, &run.origin);
    }
    made
}

fn one(mut characters: impl Iterator<Item = char>) -> Option<char> {
    let first = characters.next()?;
    characters.next().is_none().then_some(first)
}
