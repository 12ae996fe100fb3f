//! `[(w)2]`, `[(ws:,:)2]` and `[(f)2]`: the words of one text as if they were elements (zshparam, "Subscript Flags").

use crate::expand::subscripts::{place_found, searched_text};
use crate::expand::{Context, arithmetic, ifs};
use crate::stop::Stop;
use crate::syntax::ast::{SearchFlags, Word};
use crate::text::{Text, character_ends};

/// The bytes of a word, from its first to behind its last.
type Range = (usize, usize);

/// Whether flags are about words.
pub(crate) fn are_about_words(flags: &SearchFlags) -> bool {
    flags.has_any(b"wf")
}

/// The word of a text that a subscript means; none where nothing matches, or there are no words.
///
/// # Errors
/// A number that the shell refuses, and what stops an expansion.
pub(crate) fn word_meant(
    cx: &mut dyn Context,
    text: &Text,
    flags: &SearchFlags,
    subscript: &Word,
) -> Result<Option<Range>, Stop> {
    let mut words = words_of(cx, text, flags);
    if words.is_empty() {
        return Ok(None);
    }
    if flags.has_any(b"rRiIkK") {
        let items: Vec<Text> = words.iter().map(|&(from, to)| text.slice(from, to)).collect();
        let place = place_found(cx, &items, flags, subscript)?;
        return Ok(usize::try_from(place - 1).ok().and_then(|at| words.get(at).copied()));
    }
    if ends_with_separator(cx, text, flags) {
        words.push((text.len(), text.len()));
    }
    let number = searched_text(cx, subscript)?;
    let number = arithmetic::index_value(cx, number.bytes(), subscript.span)?;
    let count = words.len() as i64;
    let from_start = if number < 0 { number + count + 1 } else { number };
    // In front of the first word there is the first, behind the last the last.
    Ok(words.get(from_start.clamp(1, count) as usize - 1).copied())
}

/// Whether a separator that is no blank ends a text: there is an empty word behind it then, for numbers.
fn ends_with_separator(cx: &mut dyn Context, text: &Text, flags: &SearchFlags) -> bool {
    let bytes = text.bytes();
    match separator_of(flags) {
        Some(separator) => !separator.is_empty() && bytes.ends_with(separator),
        None => bytes.last().is_some_and(|&last| {
            let ifs = ifs(cx.state());
            ifs.separates(last) && !last.is_ascii_whitespace()
        }),
    }
}

/// The separator that flags name.
fn separator_of(flags: &SearchFlags) -> Option<&[u8]> {
    match flags.has_any(b"f") {
        true => Some(b"\n"),
        false => flags.separator.as_deref(),
    }
}

/// The words: what stands between separators, or between the characters of IFS.
fn words_of(cx: &mut dyn Context, text: &Text, flags: &SearchFlags) -> Vec<Range> {
    let bytes = text.bytes();
    let mut words = Vec::new();
    match separator_of(flags) {
        Some(b"") => {
            let ends = character_ends(bytes, cx.state().utf8());
            words.extend(ends.windows(2).map(|two| (two[0], two[1])));
        }
        Some(separator) => {
            let mut from = 0;
            for at in bstr::ByteSlice::find_iter(bytes, separator) {
                words.push((from, at));
                from = at + separator.len();
            }
            words.push((from, bytes.len()));
        }
        None => {
            let ifs = ifs(cx.state());
            let mut from = 0;
            for at in (0..bytes.len()).filter(|&at| ifs.separates(bytes[at])) {
                words.push((from, at));
                from = at + 1;
            }
            words.push((from, bytes.len()));
        }
    }
    words.retain(|(from, to)| from < to);
    words
}
