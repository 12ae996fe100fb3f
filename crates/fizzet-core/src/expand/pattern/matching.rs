//! Does a text match, where can a match end, where does one begin?

use std::borrow::Cow;

use crate::expand::pattern::ordered::Program;
use crate::expand::pattern::{Item, Pattern, Repeat, is_broken, needs_text_behind_star};
use crate::text::{character_ends, next_character};

/// A search for the matches of a pattern in a text.
pub struct Search<'p, 't> {
    pattern: &'p Pattern,
    text: Cow<'t, [u8]>,
    /// What every match starts with, if that is known.
    start: Option<bstr::Finder<'p>>,
    /// Whether that is all of the match.
    whole: bool,
    /// The pattern as operations, where its alternatives count in their order.
    program: Option<Program<'p>>,
}

impl Search<'_, '_> {
    /// The leftmost longest match that is not empty, at or behind an offset; or the first one in the order of
    /// alternatives, which may be empty.
    pub fn next(&self, from: usize) -> Option<(usize, usize)> {
        self.found(from, false)
    }

    /// The leftmost shortest match, which may be empty, at or behind an offset.
    pub fn next_shortest(&self, from: usize) -> Option<(usize, usize)> {
        self.found(from, true)
    }

    /// The leftmost match as the pattern asks for it, which may be empty, at or behind an offset.
    pub(crate) fn next_or_empty(&self, from: usize) -> Option<(usize, usize)> {
        self.found_as(from, self.pattern.rarely, true)
    }

    fn found(&self, from: usize, shortest: bool) -> Option<(usize, usize)> {
        self.found_as(from, shortest || self.pattern.rarely, shortest)
    }

    fn found_as(&self, from: usize, shortest: bool, empty: bool) -> Option<(usize, usize)> {
        let (pattern, text) = (self.pattern, &*self.text);
        if pattern.told.ends_as_text {
            return None;
        }
        let program = self.program.as_ref().filter(|_| !shortest);
        let mut at = from;
        loop {
            if let Some(start) = &self.start {
                at += start.find(&text[at..])?;
                if self.whole {
                    return Some((at, at + start.needle().len()));
                }
            }
            if let Some(program) = program
                && let Some(end) = program.end(text, at)
            {
                return Some((at, end));
            }
            let end = match pattern.has_places {
                _ if program.is_some() => None,
                true => {
                    // Where escapes stand for places, a search goes on behind a match as if the text
                    // began there.
                    let anew = pattern.rules.letter_escapes || pattern.rules.options;
                    let begin = if anew { from } else { 0 };
                    let ends = pattern.reach(&text[begin..], at - begin);
                    let mut ends = ends.into_iter();
                    let end = match shortest {
                        true => ends.position(|reached| reached),
                        false => ends.rposition(|reached| reached),
                    };
                    end.map(|end| begin + end)
                }
                false if shortest => {
                    pattern.folded_ends(&text[at..], true).first().map(|end| at + end)
                }
                false => pattern.folded_ends(&text[at..], false).pop().map(|end| at + end),
            };
            if let Some(end) = end.filter(|&end| empty || end > at) {
                return Some((at, end));
            }
            at += next_character(&text[at..], pattern.rules.characters)?.1;
        }
    }
}

impl Pattern {
    /// Whether all of `text` matches.
    pub fn matches(&self, text: &[u8]) -> bool {
        match self.takes_bytes_of(text) {
            true => self.in_bytes().matches_here(text),
            false => self.matches_here(text),
        }
    }

    /// The same, by bytes or by characters as the pattern is.
    fn matches_here(&self, text: &[u8]) -> bool {
        let text = &*self.folded(text);
        if self.loose {
            let from = vec![true; text.len() + 1];
            return self.through(&self.items, text, from).contains(&true);
        }
        if self.has_groups {
            return self.reach(text, 0).last() == Some(&true);
        }
        // A star takes bytes where brackets do.
        let characters = self.rules.characters && !self.mixes_units();
        let (mut item, mut at) = (0, 0);
        let mut retry: Option<(usize, usize)> = None;
        loop {
            match self.items.get(item) {
                None if at == text.len() => return true,
                Some(Item::Star) => {
                    retry = Some((item + 1, at));
                    item += 1;
                    continue;
                }
                Some(one) => {
                    if let Some(length) = self.step(one, &text[at..]) {
                        item += 1;
                        at += length;
                        continue;
                    }
                }
                None => {}
            }
            // Give the latest star one character more.
            let Some((after, from)) = retry else { return false };
            let Some((_, length)) = next_character(&text[from..], characters) else {
                return false;
            };
            retry = Some((after, from + length));
            (item, at) = (after, from + length);
        }
    }

    /// The offsets at which a match that begins at the start of `text` can end, in ascending order.
    ///
    /// All ways of matching are followed at once, so this takes at most pattern times text steps.
    pub fn prefix_ends(&self, text: &[u8]) -> Vec<usize> {
        if self.takes_bytes_of(text) {
            return self.in_bytes().prefix_ends(text);
        }
        self.folded_ends(&self.folded(text), false)
    }

    /// As [`Pattern::prefix_ends`], of a text in the letters that are compared; with `first` it need not look for more
    /// than one.
    pub(super) fn folded_ends(&self, text: &[u8], first: bool) -> Vec<usize> {
        if self.minds_end {
            let ends = character_ends(text, self.rules.characters).into_iter();
            return ends.filter(|&end| self.reach(&text[..end], 0)[end]).collect();
        }
        if self.has_groups || self.mixes_units() {
            let reached = self.reach(text, 0).into_iter().enumerate();
            return reached.filter(|(_, reached)| *reached).map(|(at, _)| at).collect();
        }
        let mut ends = Vec::new();
        // A state is an item and how much of its literal has been matched.
        let mut states = vec![(0usize, 0usize)];
        let mut at = 0;
        loop {
            self.skip_stars(&mut states);
            if states.iter().any(|&(item, _)| item == self.items.len()) {
                ends.push(at);
                if first {
                    return ends;
                }
            }
            let Some((code, length)) = next_character(&text[at..], self.rules.characters) else {
                return ends;
            };
            let character = &text[at..at + length];
            let mut next = Vec::with_capacity(states.len());
            for &(item, done) in &states {
                let state = match self.items.get(item) {
                    Some(Item::Star) => (item, 0),
                    Some(Item::Any) => (item + 1, 0),
                    Some(Item::Set(set)) if set.holds(code) => (item + 1, 0),
                    Some(Item::Literal(bytes)) if bytes[done..].starts_with(character) => {
                        let done = done + length;
                        if done == bytes.len() { (item + 1, 0) } else { (item, done) }
                    }
                    _ => continue,
                };
                if !next.contains(&state) {
                    next.push(state);
                }
            }
            if next.is_empty() {
                return ends;
            }
            states = next;
            at += length;
        }
    }

    /// Whether a text is matched byte by byte because it is no UTF-8.
    fn takes_bytes_of(&self, text: &[u8]) -> bool {
        self.rules.broken_text_matches_bytes && self.rules.characters && is_broken(text)
    }

    /// The same pattern for bytes.
    fn in_bytes(&self) -> Pattern {
        Pattern { rules: self.rules.of_bytes(), ..self.clone() }
    }

    /// Whether brackets match bytes where everything else matches characters.
    fn mixes_units(&self) -> bool {
        self.rules.characters
            && !self.rules.wide_brackets
            && self.items.iter().any(|item| matches!(item, Item::Set(_)))
    }

    /// Whether a prefix may end at this offset: between two characters.
    pub(crate) fn is_boundary(&self, text: &[u8], end: usize) -> bool {
        !self.mixes_units() || character_ends(text, true).binary_search(&end).is_ok()
    }

    /// Adds the states that a star may be left for.
    fn skip_stars(&self, states: &mut Vec<(usize, usize)>) {
        let mut at = 0;
        while let Some(&(item, _)) = states.get(at) {
            if matches!(self.items.get(item), Some(Item::Star)) && !states.contains(&(item + 1, 0))
            {
                states.push((item + 1, 0));
            }
            at += 1;
        }
    }

    /// The offset at which the shortest or longest match that reaches the end of `text` begins.
    pub fn suffix_start(&self, text: &[u8], longest: bool) -> Option<usize> {
        if self.takes_bytes_of(text) {
            return self.in_bytes().suffix_start(text, longest);
        }
        if let Some(literal) = self.literal() {
            let text = self.folded(text);
            let start = text.len().checked_sub(literal.len()).filter(|_| text.ends_with(literal));
            // A character is never cut.
            let cuts = |&start: &usize| {
                self.rules.characters
                    && literal.first().is_some_and(|byte| (0x80..0xc0).contains(byte))
                    && character_ends(&text, true).binary_search(&start).is_err()
            };
            return start.filter(|start| !cuts(start));
        }
        // The longest match is looked for byte by byte where brackets are.
        let characters = self.rules.characters && !(longest && self.mixes_units());
        let starts = character_ends(text, characters);
        // What stands before a match decides whether a place is one.
        let fits = |start: &usize| match self.has_places {
            true => self.reach(&self.folded(text), *start).last() == Some(&true),
            false => self.matches_here(&text[*start..]),
        };
        match longest {
            true => starts.into_iter().find(fits),
            false => starts.into_iter().rev().find(fits),
        }
    }

    /// Looks for matches of the pattern inside a text.
    pub fn search<'p, 't>(&'p self, text: &'t [u8]) -> Search<'p, 't> {
        let literal = self.literal().filter(|literal| !literal.is_empty());
        let start = match (literal, self.items.first()) {
            (None, Some(Item::Literal(bytes))) => Some(&bytes[..]),
            (literal, _) => literal,
        };
        let start = start.map(bstr::Finder::new);
        let (text, program) = (self.folded(text), self.program());
        Search { pattern: self, text, start, whole: literal.is_some(), program }
    }

    /// How much of `text` one item takes.
    pub(super) fn step(&self, item: &Item, text: &[u8]) -> Option<usize> {
        match item {
            Item::Literal(bytes) => text.starts_with(bytes).then_some(bytes.len()),
            Item::Any => next_character(text, self.rules.characters).map(|(_, length)| length),
            Item::Set(set) => next_character(text, self.rules.wide_brackets)
                .filter(|&(code, _)| set.holds(code))
                .map(|(_, length)| length),
            Item::Star | Item::Place(_) => Some(0),
            Item::Group(..) | Item::Told(..) | Item::Except(..) => Some(0),
        }
    }

    /// The text as it is compared: in small letters where case does not count.
    pub(super) fn folded<'t>(&self, text: &'t [u8]) -> Cow<'t, [u8]> {
        match self.rules.folds_case {
            true => text.to_ascii_lowercase().into(),
            false => text.into(),
        }
    }

    /// For each offset of `text` whether a match that begins at `start` can end there.
    pub(super) fn reach(&self, text: &[u8], start: usize) -> Vec<bool> {
        let mut from = vec![false; text.len() + 1];
        from[start] = true;
        if !self.minds_end {
            return self.through(&self.items, text, from);
        }
        let end = text.len();
        // Behind a star: whether that began at the end.
        let mut star = None;
        for item in &self.items {
            if let Some(at_end) = star.filter(|_| needs_text_behind_star(item)) {
                from[end] &= at_end && matches!(item, Item::Group(Repeat::Not, _));
            }
            star = match item {
                Item::Star => Some(star.unwrap_or(from[end])),
                Item::Any => star,
                _ => None,
            };
            from = self.through(std::slice::from_ref(item), text, from);
        }
        from
    }

    /// The offsets that are reached from some by matching items one after the other.
    pub(super) fn through(&self, items: &[Item], text: &[u8], from: Vec<bool>) -> Vec<bool> {
        items.iter().fold(from, |from, item| match item {
            Item::Star => {
                let first = from.iter().position(|reached| *reached).unwrap_or(from.len());
                (0..from.len()).map(|at| at >= first).collect()
            }
            Item::Place(place) => {
                let reached = from.into_iter().enumerate();
                reached.map(|(at, reached)| reached && place.is_at(text, at)).collect()
            }
            Item::Group(repeat, alternatives) => self.group(*repeat, alternatives, text, from),
            Item::Told(_, group) => self.through(std::slice::from_ref(group), text, from),
            Item::Except(items, other) => {
                let without = self.through(other, text, from.clone());
                let reached = self.through(items, text, from).into_iter().zip(without);
                reached.map(|(reached, out)| reached && !out).collect()
            }
            one => {
                let mut next = vec![false; from.len()];
                for at in (0..text.len()).filter(|&at| from[at]) {
                    if let Some(length) = self.step(one, &text[at..]) {
                        next[at + length] = true;
                    }
                }
                next
            }
        })
    }

    fn group(
        &self,
        repeat: Repeat,
        alternatives: &[Vec<Item>],
        text: &[u8],
        from: Vec<bool>,
    ) -> Vec<bool> {
        let once = |from: &[bool]| {
            let mut reached = vec![false; from.len()];
            for items in alternatives {
                merge(&mut reached, &self.through(items, text, from.to_vec()));
            }
            reached
        };
        match repeat {
            Repeat::Once => once(&from),
            Repeat::Maybe => {
                let mut reached = once(&from);
                merge(&mut reached, &from);
                reached
            }
            Repeat::Any | Repeat::Some => {
                let mut reached = once(&from);
                loop {
                    let more = once(&reached);
                    if !merge(&mut reached, &more) {
                        break;
                    }
                }
                if repeat == Repeat::Any {
                    merge(&mut reached, &from);
                }
                reached
            }
            Repeat::Times(least, most) | Repeat::Fewest(least, most) => {
                let mut here = from;
                let mut reached = vec![false; here.len()];
                for times in 0..=most.unwrap_or(u32::MAX) {
                    if times >= least {
                        merge(&mut reached, &here);
                    }
                    let next = once(&here);
                    // Nothing is left, or what is left comes back to itself for ever.
                    if !next.contains(&true) || next == here {
                        let returns = next == here && most.is_none_or(|most| most >= least);
                        merge(&mut reached, if returns { &here } else { &[] });
                        break;
                    }
                    here = next;
                }
                reached
            }
            Repeat::Not => {
                let mut reached = vec![false; from.len()];
                for at in (0..from.len()).filter(|&at| from[at]) {
                    let mut start = vec![false; from.len()];
                    start[at] = true;
                    let taken = once(&start);
                    for end in at..from.len() {
                        reached[end] |= !taken[end];
                    }
                }
                reached
            }
        }
    }
}

/// Adds what another set holds; answers whether that was anything new.
fn merge(set: &mut [bool], other: &[bool]) -> bool {
    let mut grown = false;
    for (held, more) in set.iter_mut().zip(other) {
        grown |= *more && !*held;
        *held |= *more;
    }
    grown
}
