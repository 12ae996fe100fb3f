//! `[(r)pattern,(R)pattern]`: ranges whose ends are searched for (zshparam, "Subscript Flags"; observed in zsh 5.9).

use crate::expand::parameter::Held;
use crate::expand::subscripts::{place_found, place_in_text, searched_pattern, searched_text};
use crate::expand::word_subscripts::{are_about_words, word_meant};
use crate::expand::{Context, arithmetic, ifs};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::{SearchFlags, Slice, Word};
use crate::syntax::search_flags_of;
use crate::text::{Text, character_count, character_ends};

/// One end of a range.
enum Bound {
    /// A number, as it is written.
    Number(Span),
    /// What flags search for.
    Searched(SearchFlags, Word),
}

/// Both ends of a range, from 1 or from the end, if one of them is searched for.
///
/// # Errors
/// A search for an index, which stands in no range; what stops an expansion.
pub(crate) fn searched_range(
    cx: &mut dyn Context,
    held: &Held,
    slice: &Slice,
) -> Result<Option<(i64, i64)>, Stop> {
    let (first, last) = match slice {
        Slice::Range(first, last) => (bound(cx, first.word.span), bound(cx, last.word.span)),
        Slice::Search(flags, word) => {
            let Some(comma) = comma(cx.state().sources.bytes(word.span)) else { return Ok(None) };
            let Span { source, start, end } = word.span;
            let comma = start as usize + comma;
            let before = Word::new(Vec::new(), Span::new(source, start as usize, comma));
            let behind = Span::new(source, comma + 1, end as usize);
            (Bound::Searched(flags.clone(), before), bound(cx, behind))
        }
    };
    if matches!((&first, &last), (Bound::Number(_), Bound::Number(_))) {
        return Ok(None);
    }
    let first = place(cx, held, first, false)?;
    Ok(Some((first, place(cx, held, last, true)?)))
}

/// The comma that stands in no brackets.
fn comma(written: &[u8]) -> Option<usize> {
    let mut depth = 0;
    written.iter().position(|&byte| {
        match byte {
            b'[' => depth += 1,
            b']' => depth -= 1,
            _ => {}
        }
        byte == b',' && depth == 0
    })
}

fn bound(cx: &mut dyn Context, written: Span) -> Bound {
    let state = cx.state();
    match search_flags_of(state.sources.bytes(written), &state.dialect) {
        None => Bound::Number(written),
        Some((flags, length)) => {
            let start = written.start as usize + length;
            let rest = Span::new(written.source, start, written.end as usize);
            Bound::Searched(flags, Word::new(Vec::new(), rest))
        }
    }
}

/// The place that an end of a range means. `ends`: whether it is the last one.
fn place(cx: &mut dyn Context, held: &Held, bound: Bound, ends: bool) -> Result<i64, Stop> {
    let (flags, word) = match bound {
        Bound::Searched(flags, word) if flags.has_any(b"iI") => {
            let message = "an index that is searched for stands in no range";
            return Err(cx.state().mistake(message, word.span, 1));
        }
        Bound::Searched(flags, word) if flags.has_any(b"rRwf") => (flags, word),
        Bound::Number(span) => return number(cx, span),
        Bound::Searched(_, word) => return number(cx, word.span),
    };
    match held {
        Held::List { items, .. } => place_found(cx, items, &flags, &word),
        Held::One(text) if are_about_words(&flags) => word_place(cx, text, (&flags, &word), ends),
        Held::One(text) if ends => end_in_text(cx, text, &flags, &word),
        Held::One(text) => place_in_text(cx, text, &flags, &word),
        Held::Unset => Ok(0),
    }
}

fn number(cx: &mut dyn Context, span: Span) -> Result<i64, Stop> {
    let text = searched_text(cx, &Word::new(Vec::new(), span))?;
    if cx.state().dialect.empty_index_is_mistake && text.bytes().trim_ascii().is_empty() {
        return Err(cx.state().mistake("an end of the range is empty", span, 1));
    }
    let number = arithmetic::index_value(cx, text.bytes(), span)?;
    Ok(cx.state().index(number))
}

/// Where the first stretch ends that matches from the start on; the last one with `R`.
fn end_in_text(
    cx: &mut dyn Context,
    text: &Text,
    flags: &SearchFlags,
    word: &Word,
) -> Result<i64, Stop> {
    let (searched, pattern) = searched_pattern(cx, word)?;
    let ends = character_ends(text.bytes(), cx.state().utf8());
    let literal = if flags.has_any(b"e") { Some(searched.bytes()) } else { pattern.literal() };
    let holds = |&at: &usize| {
        let before = &text.bytes()[..ends[at]];
        match literal {
            Some(literal) => before.ends_with(literal),
            None => pattern.suffix_start(before, true).is_some(),
        }
    };
    let count = ends.len() - 1;
    Ok(match flags.has_any(b"R") {
        true => (0..=count).rev().find(holds).unwrap_or(0),
        false => (0..=count).find(holds).unwrap_or(count),
    } as i64)
}

/// The first character of a word, or the last one before the next word.
fn word_place(
    cx: &mut dyn Context,
    text: &Text,
    (flags, word): (&SearchFlags, &Word),
    ends: bool,
) -> Result<i64, Stop> {
    let Some((from, to)) = word_meant(cx, text, flags, word)? else {
        return Ok(if ends { -1 } else { 0 });
    };
    let utf8 = cx.state().utf8();
    let count = |to: usize| character_count(&text.bytes()[..to], utf8) as i64;
    if !ends {
        return Ok(count(from) + 1);
    }
    let ifs = ifs(cx.state());
    let between = text.bytes()[to..].iter().take_while(|&&byte| ifs.separates(byte)).count();
    Ok(if to + between == text.len() { -1 } else { count((to + between).max(1) - 1) })
}
