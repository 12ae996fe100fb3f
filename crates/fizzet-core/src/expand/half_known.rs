//! What the operations of parameters make of values of which only parts are known. What is certain stays, and all
//! else becomes a hole: a value that is cut or replaced is never claimed to hold what it may have lost.

use crate::expand::pattern::Pattern;
use crate::expand::unknown::{is_matched, known_ends};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::Stop;
use crate::text::{Text, character_ends};

/// What an operation makes of a value that is not known as a whole.
#[derive(Clone, Copy)]
pub(super) enum HalfKnown<'a> {
    /// Nobody can tell.
    Nothing,
    /// The same value.
    Same,
    /// It looks at each character alone: the known ones are changed.
    Pieces,
    /// A removal, which may reach nothing but what is known.
    Removal {
        /// What is removed.
        pattern: &'a Pattern,
        /// Whether from the end.
        suffix: bool,
        /// Whether as much as possible.
        longest: bool,
    },
}

/// A text of which nothing is known.
pub(super) fn hole_at(span: Span) -> Text {
    Text::hole(&Origin::new(Rule::Parameter, span))
}

/// What `#`, `##`, `%` or `%%` leaves of a text with holes; `None` if nobody can tell.
pub(super) fn removed(text: &Text, pattern: &Pattern, suffix: bool, longest: bool) -> Option<Text> {
    if pattern.is_loose() || pattern.minds_end() {
        return None;
    }
    let (head, tail) = known_ends(text);
    let bytes = text.bytes();
    let left_at = |at: usize| match suffix {
        true => text.slice_with_holes(0, at),
        false => text.slice_with_holes(at, text.len()),
    };
    let known = if suffix { &bytes[tail..] } else { &bytes[..head] };
    if misses(pattern, known, suffix) {
        return Some(text.clone());
    }
    let is_boundary = |at: &usize| pattern.is_boundary(bytes, *at);
    let (fronts, backs) =
        ((0..=head).filter(is_boundary), (tail..=bytes.len()).rev().filter(is_boundary));
    let at = match (suffix, longest) {
        (false, false) => first_true(fronts, |end| Some(pattern.matches(&bytes[..end]))),
        (true, false) => first_true(backs, |start| Some(pattern.matches(&bytes[start..]))),
        (false, true) => {
            first_true(backs, |end| is_matched(pattern, &text.slice_with_holes(0, end)))
        }
        (true, true) => first_true(fronts, |start| {
            is_matched(pattern, &text.slice_with_holes(start, text.len()))
        }),
    };
    at.map(left_at)
}

/// Whether a pattern cannot match where the text has these bytes at its start, or at its end.
fn misses(pattern: &Pattern, known: &[u8], at_end: bool) -> bool {
    let (literal, known_there) = match at_end {
        true => {
            let literal = pattern.literal_end();
            let shared = literal.len().min(known.len());
            (&literal[literal.len() - shared..], &known[known.len() - shared..])
        }
        false => {
            let literal = pattern.literal_start();
            let shared = literal.len().min(known.len());
            (&literal[..shared], &known[..shared])
        }
    };
    if literal != known_there {
        return true;
    }
    let ends = character_ends(known, pattern.counts_characters());
    let Some(width) = pattern.width().filter(|&width| width < ends.len()) else { return false };
    let taken = match at_end {
        true => &known[ends[ends.len() - 1 - width]..],
        false => &known[..ends[width]],
    };
    !pattern.matches(taken)
}

/// The first place of which something is true; `None` where one before it is not decided, or there is none.
fn first_true(
    mut places: impl Iterator<Item = usize>,
    is_true: impl Fn(usize) -> Option<bool>,
) -> Option<usize> {
    places.find_map(|at| match is_true(at) {
        Some(false) => None,
        Some(true) => Some(Some(at)),
        None => Some(None),
    })?
}

/// Applies a change that looks at each character alone to what is known of a text; what was not known is not what
/// it was before.
pub(super) fn in_pieces(
    text: &Text,
    span: Span,
    mut change: impl FnMut(&Text) -> Result<Text, Stop>,
) -> Result<Text, Stop> {
    let (mut made, mut piece) = (Text::new(), Text::new());
    for (run, bytes) in text.runs() {
        if !run.hole {
            piece.push_run(run, bytes);
            continue;
        }
        made.push_text(&change(&std::mem::take(&mut piece))?);
        made.push_text(&hole_at(span));
    }
    if !piece.is_empty() {
        made.push_text(&change(&piece)?);
    }
    Ok(made)
}

/// The part of a text with holes from an offset on, in characters, where both of its ends are known.
pub(super) fn part(
    text: &Text,
    offset: i64,
    length: Option<i64>,
    characters: bool,
) -> Option<Text> {
    let (head, tail) = known_ends(text);
    let bytes = text.bytes();
    let (front, back) =
        (character_ends(&bytes[..head], characters), character_ends(&bytes[tail..], characters));
    let from_front = |count: i64| front.get(usize::try_from(count).ok()?).copied();
    let from_back = |count: i64| {
        let skipped = back.len().checked_sub(1)?.checked_sub(usize::try_from(count).ok()?)?;
        Some(tail + back[skipped])
    };
    match (offset, length) {
        (0.., None) => Some(text.slice_with_holes(from_front(offset)?, text.len())),
        (0.., Some(length @ 0..)) => {
            let end = from_front(offset.checked_add(length)?)?;
            Some(text.slice(from_front(offset)?, end))
        }
        (0.., Some(length)) => {
            Some(text.slice_with_holes(from_front(offset)?, from_back(length.checked_neg()?)?))
        }
        (_, None) => Some(text.slice(from_back(offset.checked_neg()?)?, text.len())),
        (_, Some(length @ 0..)) => {
            let start = from_back(offset.checked_neg()?)?;
            let end = from_back((-offset).saturating_sub(length).max(0))?;
            Some(text.slice(start, end))
        }
        _ => None,
    }
}
