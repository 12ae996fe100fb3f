//! Subscripts of zsh that take a part of a value: `[2]`, `[2,3]`, `[(r)pattern]` (observed in zsh 5.9).

use crate::expand::parameter::{Held, index_text};
use crate::expand::pattern::Pattern;
use crate::expand::places::keep_match;
use crate::expand::searched_ranges::searched_range;
use crate::expand::substitute::Substitution;
use crate::expand::word_subscripts::{are_about_words, word_meant};
use crate::expand::{Context, arithmetic, document};
use crate::source::Span;
use crate::state::Value;
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::{Arithmetic, Flagged, Parameter, ParameterName, SearchFlags, Slice, Word};
use crate::text::{Standing, Text, character_count, character_ends, characters};

/// Which of so many elements a range means, from 0; places count from 1, or from the end.
pub(crate) fn range_of(first: i64, last: i64, count: usize) -> Option<(usize, usize)> {
    let place = |at: i64| if at < 0 { at.saturating_add(count as i64 + 1) } else { at };
    let (low, high) = (place(first), place(last).min(count as i64));
    // An index of 0 means the first one only where a range begins.
    let low = if low == 0 && first != last { 1 } else { low };
    (low >= 1 && low <= high).then(|| (low as usize - 1, high as usize))
}

/// Whether a range that holds nothing has one empty element nevertheless: it lies behind the list and is of more than
/// one place, or begins before the list (observed in zsh 5.9: a=(x); print -r -- "${(@)a[2,3]}").
fn is_behind(first: i64, last: i64, count: usize) -> bool {
    let count = count as i64;
    let start = if first < 0 { first.saturating_add(count) } else { (first - 1).max(0) };
    let end = if last < 0 { last.saturating_add(count + 1) } else { last };
    end > start && (start < 0 || (start >= count && end - start > 1))
}

impl Substitution<'_> {
    pub(super) fn sliced(
        &mut self,
        flagged: &Flagged,
        held: Held,
        slice: &Slice,
    ) -> Result<Held, Stop> {
        if let Some((first, last)) = searched_range(self.cx, &held, slice)? {
            return Ok(self.ranged(held, first, last));
        }
        match slice {
            Slice::Range(first, last) => {
                let first = arithmetic::index(self.cx, first)?;
                let last = arithmetic::index(self.cx, last)?;
                let state = self.cx.state();
                let (first, last) = (state.index(first), state.index(last));
                Ok(self.ranged(held, first, last))
            }
            Slice::Search(flags, pattern) => self.searched(flagged, held, flags, pattern),
        }
    }

    /// `[(r)pattern]` and its kin in an associative array: `r` and `R` look at values, `i` and `I` at keys,
    /// `k` and `K` take the keys for patterns; capitals find all. With `i` and `I` the keys are the result.
    pub(super) fn searched_keys(
        &mut self,
        flagged: &Flagged,
        flags: &SearchFlags,
        word: &Word,
    ) -> Result<Held, Stop> {
        let name = flagged.parameter.name.to_bytes();
        let value = self.cx.state().variables.get(&name).map(|one| one.value.clone());
        let Some(Value::Associative(elements)) = value else { return Ok(Held::Unset) };
        let is = |letter: u8| flags.has_any(&[letter]);
        let text = searched_text(self.cx, word)?;
        let rules = self.cx.state().text_pattern_rules();
        let pattern = Pattern::from_text(&text, rules);
        let exact = is(b'e') || !flags.has_any(b"rRiIkK");
        let matches = |(key, value): &(&Text, &Text)| {
            let subject = if is(b'r') || is(b'R') { value.bytes() } else { key.bytes() };
            match is(b'k') || is(b'K') {
                true => {
                    let mut pattern = (*key).clone();
                    pattern.set_standing(Standing::Plain);
                    Pattern::from_text(&pattern, rules).matches(text.bytes())
                }
                false if exact => subject == text.bytes(),
                false => pattern.matches(subject),
            }
        };
        let all = is(b'R') || is(b'I') || is(b'K');
        let has = |letter: u8| flagged.flags.iter().any(|flag| flag.letter == letter);
        let keys = has(b'k') || ((is(b'i') || is(b'I')) && !has(b'v'));
        let values = has(b'v') || !keys;
        let mut items = Vec::new();
        for (key, value) in elements.pairs().into_iter().filter(matches) {
            items.extend(keys.then(|| key.clone()));
            items.extend(values.then(|| value.clone()));
            if !all {
                break;
            }
        }
        Ok(match items.len() {
            0 if !all => Held::One(Text::new()),
            1 if !all => Held::One(items.remove(0)),
            _ => Held::List { items, star: true },
        })
    }

    /// The place from 1, or from the end, that the number between the brackets means.
    pub(super) fn index(&mut self, written: &Arithmetic) -> Result<i64, Stop> {
        let number = arithmetic::index(self.cx, written)?;
        Ok(self.cx.state().index(number))
    }

    /// A place from 1 as the shell tells it.
    fn told_place(&mut self, parameter: &Parameter, place: i64) -> Held {
        let first = i64::from(self.cx.state().dialect.zero_is_first);
        Held::One(self.computed(parameter, (place - first).max(0).to_string().as_bytes()))
    }

    /// The element with an index from 1, or from the end; of one value, a character.
    pub(super) fn element_of(&mut self, held: Held, at: i64) -> Held {
        if let Held::List { items, .. } = &held
            && range_of(at, at, items.len()).is_none()
        {
            return Held::Unset;
        }
        if at == 0 && matches!(held, Held::One(_)) {
            return Held::Unset;
        }
        match self.ranged(held, at, at) {
            Held::List { mut items, .. } => match items.len() {
                0 => Held::Unset,
                _ => Held::One(items.remove(0)),
            },
            held => held,
        }
    }

    fn ranged(&mut self, held: Held, first: i64, last: i64) -> Held {
        let bounds = |count: usize| range_of(first, last, count);
        match held {
            Held::Unset => Held::Unset,
            Held::One(text) => {
                let ends = character_ends(text.bytes(), self.cx.state().utf8());
                match bounds(ends.len() - 1) {
                    Some((low, high)) => Held::One(text.slice(ends[low], ends[high])),
                    None => Held::One(Text::new()),
                }
            }
            Held::List { items, star } => match bounds(items.len()) {
                Some((low, high)) => Held::List { items: items[low..high].to_vec(), star },
                None if is_behind(first, last, items.len()) => {
                    Held::List { items: vec![Text::new()], star }
                }
                None => Held::List { items: Vec::new(), star },
            },
        }
    }

    /// `[(r)pattern]`: the first element that matches; with `i`, its index.
    fn searched(
        &mut self,
        flagged: &Flagged,
        held: Held,
        flags: &SearchFlags,
        word: &Word,
    ) -> Result<Held, Stop> {
        let items = match held {
            Held::List { items, .. } => items,
            Held::One(text) if are_about_words(flags) => {
                return self.word_searched(flagged, &text, flags, word);
            }
            Held::One(text) if flags.has_any(b"rRiI") => {
                return self.searched_in_text(flagged, &text, flags, word);
            }
            Held::One(text) => characters(&text),
            Held::Unset => return Ok(Held::Unset),
        };
        if !flags.has_any(b"rRiIkK") {
            let index = searched_text(self.cx, word)?;
            let span = word.span;
            let at = arithmetic::index_value(self.cx, index.bytes(), span)?;
            let at = self.cx.state().index(at);
            return Ok(self.element_of(Held::List { items, star: true }, at));
        }
        let place = place_found(self.cx, &items, flags, word)?;
        if flags.has_any(b"iI") {
            return Ok(self.told_place(&flagged.parameter, place));
        }
        let found = usize::try_from(place - 1).ok().and_then(|at| items.get(at));
        Ok(match found {
            Some(found) => Held::One(found.clone()),
            // What is not found in a list is not set; a table has an empty value then.
            None if self.is_table(&flagged.parameter) => Held::One(Text::new()),
            None => Held::Unset,
        })
    }

    fn is_table(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let variable = self.cx.state().variables.get(name);
        variable.is_some_and(|variable| matches!(variable.value, Value::Associative(_)))
    }

    /// `[(w)2]` in one text: the word; with `i`, the place of its first character, or 0.
    fn word_searched(
        &mut self,
        flagged: &Flagged,
        text: &Text,
        flags: &SearchFlags,
        word: &Word,
    ) -> Result<Held, Stop> {
        let found = word_meant(self.cx, text, flags, word)?;
        if flags.has_any(b"iI") {
            let utf8 = self.cx.state().utf8();
            let place =
                |(from, _): (usize, usize)| character_count(&text.bytes()[..from], utf8) + 1;
            return Ok(self.told_place(&flagged.parameter, found.map_or(0, place) as i64));
        }
        Ok(Held::One(found.map_or_else(Text::new, |(from, to)| text.slice(from, to))))
    }

    /// `[(i)pattern]` in one text: the place of the first stretch that matches, with `r` its first character.
    fn searched_in_text(
        &mut self,
        flagged: &Flagged,
        text: &Text,
        flags: &SearchFlags,
        word: &Word,
    ) -> Result<Held, Stop> {
        let place = place_in_text(self.cx, text, flags, word)?;
        if flags.has_any(b"iI") {
            return Ok(self.told_place(&flagged.parameter, place));
        }
        let ends = character_ends(text.bytes(), self.cx.state().utf8());
        let at = usize::try_from(place - 1).ok().filter(|at| at + 1 < ends.len());
        Ok(Held::One(at.map_or_else(Text::new, |at| text.slice(ends[at], ends[at + 1]))))
    }
}

/// The place of the first stretch of a text that matches, from 1; with `R` or `I` of the last. If none does, it is
/// one beyond the text on that side.
pub(super) fn place_in_text(
    cx: &mut dyn Context,
    text: &Text,
    flags: &SearchFlags,
    word: &Word,
) -> Result<i64, Stop> {
    let (searched, pattern) = searched_pattern(cx, word)?;
    let ends = character_ends(text.bytes(), cx.state().utf8());
    let count = ends.len() - 1;
    let exact = flags.has_any(b"e");
    let begins = |at: &usize| {
        if exact {
            return text.bytes()[ends[*at]..].starts_with(searched.bytes());
        }
        let ends = pattern.prefix_ends(&text.bytes()[ends[*at]..]);
        ends.iter().any(|&end| end > 0)
    };
    let from_end = flags.has_any(b"RI");
    let (found, missing) = match from_end {
        // Nothing is everywhere.
        true if pattern.literal() == Some(b"") => (None, count + 1),
        false if pattern.literal() == Some(b"") => ((count > 0).then_some(0), 0),
        false if count == 0 => (None, 0),
        _ => {
            let search = Search::of(cx, flags, word.span)?;
            (search.find(count, begins), if search.from_end { 0 } else { count + 1 })
        }
    };
    Ok(found.map_or(missing, |at| at + 1) as i64)
}

/// What a subscript searches for, as a text and as a pattern.
pub(super) fn searched_pattern(cx: &mut dyn Context, word: &Word) -> Result<(Text, Pattern), Stop> {
    let searched = searched_text(cx, word)?;
    let pattern = Pattern::from_text(&searched, cx.state().text_pattern_rules());
    Ok((searched, pattern))
}

/// What a subscript searches for: its quotes belong to it, and what is expanded in it forms patterns.
pub(super) fn searched_text(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let written = cx.state().sources.bytes(word.span).to_vec();
    let dialect = cx.state().dialect.clone();
    let word = Parser::new(&written, word.span.source, &dialect).whole_text(word.span)?;
    let mut text = document(cx, &word)?;
    text.set_standing(Standing::Plain);
    Ok(text)
}

/// The number of the first element that matches, or with `R` or `I` of the last; if none does, one
/// beyond them on that side.
pub(crate) fn place_found(
    cx: &mut dyn Context,
    items: &[Text],
    flags: &SearchFlags,
    word: &Word,
) -> Result<i64, Stop> {
    let (searched, pattern) = searched_pattern(cx, word)?;
    let exact = flags.has_any(b"e");
    let search = Search::of(cx, flags, word.span)?;
    let matches = |text: &Text| match exact {
        true => text.bytes() == searched.bytes(),
        false => pattern.matches(text.bytes()),
    };
    let missing = if search.from_end { 0 } else { items.len() + 1 };
    let found = search.find(items.len(), |at| matches(&items[*at]));
    if let Some(text) = found.map(|at| &items[at]).filter(|_| !exact) {
        keep_match(cx.state(), &pattern, text, (0, text.len()), word.span)?;
    }
    Ok(found.map_or(missing, |at| at + 1) as i64)
}

/// Which of the places that match is meant.
struct Search {
    from_end: bool,
    /// How many matches are passed over.
    passes: usize,
    /// The place where the search begins, from 1, or from the end.
    from: Option<i64>,
}

impl Search {
    fn of(cx: &mut dyn Context, flags: &SearchFlags, span: Span) -> Result<Search, Stop> {
        let mut number = |written: &Option<Box<[u8]>>| match written {
            None => Ok(None),
            Some(written) => {
                let text = index_text(cx, written, false)?;
                arithmetic::index_value(cx, text.bytes(), span).map(Some)
            }
        };
        let (nth, from) = (number(&flags.nth)?.unwrap_or(1), number(&flags.from)?);
        let from_end = flags.has_any(b"RI") != (nth < 0);
        Ok(Search { from_end, passes: nth.unsigned_abs().saturating_sub(1) as usize, from })
    }

    fn find(&self, count: usize, matches: impl FnMut(&usize) -> bool) -> Option<usize> {
        let from = match self.from {
            None if self.from_end => count,
            None | Some(0) => 1,
            Some(from @ ..0) => usize::try_from(from + count as i64 + 1).ok()?,
            Some(from) => usize::try_from(from).ok()?,
        };
        match self.from_end {
            true => (0..from.min(count)).rev().filter(matches).nth(self.passes),
            false => (from.max(1) - 1..count).filter(matches).nth(self.passes),
        }
    }
}
