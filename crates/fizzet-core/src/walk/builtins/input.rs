//! The stretches of input that `read` and `mapfile` take: how far they reach, and what they hold.

use crate::dialect::{CountedBackslash, Dialect, ReadOfNothing};
use crate::stop::Stop;
use crate::text::{Standing, Text, next_character};
use crate::walk::Walker;
use crate::walk::builtins::control::number;
use crate::walk::builtins::options::Given;
use crate::walk::descriptors::{Input, Reading};

/// How far `read` reads.
pub(super) struct Reach {
    /// Whether a backslash is an ordinary character.
    pub(super) raw: bool,
    /// Whether a backslash before the end makes both vanish, though it is an ordinary character otherwise.
    pub(super) joins: bool,
    /// The byte that ends the input; `None` where none does.
    pub(super) end: Option<u8>,
    /// The most characters.
    pub(super) most: Option<usize>,
    /// What it reads from.
    pub(super) descriptor: u32,
    /// Whether bytes 0 are passed over.
    drops_nul: bool,
    /// Whether nothing but the number of characters ends the input.
    pub(super) exactly: bool,
    /// Whether nothing is taken where there are too few characters.
    needs_all: bool,
    /// Whether a backslash that quotes the next character is one of the characters.
    counts_backslash: bool,
    /// Whether a backslash stays, and only makes what ends the input vanish.
    keeps_backslash: bool,
    /// Whether the first byte of a longer character takes all that follow it until they are one.
    finishes_characters: bool,
}

impl Reach {
    /// Whole lines, as they are.
    pub(super) fn lines(end: Option<u8>, descriptor: u32) -> Reach {
        Reach {
            raw: true,
            joins: false,
            end,
            most: None,
            descriptor,
            drops_nul: false,
            exactly: false,
            needs_all: false,
            counts_backslash: false,
            keeps_backslash: false,
            finishes_characters: false,
        }
    }

    /// A number of keys, as they are, from the descriptor that is named.
    pub(super) fn keys(given: &Given<'_>, most: usize) -> Reach {
        let descriptor = given.value(b'u').and_then(|text| number(text.bytes()));
        let descriptor = descriptor.and_then(|number| u32::try_from(number).ok()).unwrap_or(0);
        Reach { exactly: true, most: Some(most), ..Reach::lines(None, descriptor) }
    }

    /// What the options of `read` ask for.
    pub(super) fn of(given: &Given<'_>, dialect: &Dialect) -> Reach {
        let count = |letter| {
            let text: &Text = given.value(letter)?;
            usize::try_from(number(text.bytes())?).ok()
        };
        let all = |letter| {
            dialect.read_may_take_all
                && given.value(letter).is_some_and(|text| text.bytes() == b"-1")
        };
        let exactly = if all(b'N') { Some(usize::MAX) } else { count(b'N') };
        let most = exactly.or(if all(b'n') { Some(usize::MAX) } else { count(b'n') });
        let is_limit =
            |&most: &usize| most > 0 || dialect.read_of_nothing != ReadOfNothing::IsWhole;
        let most = most.filter(is_limit);
        let drops_nul = dialect.read_drops_nul
            && (dialect.counted_read_drops_nul || most.is_none())
            && given.value(b'd').is_none_or(|end| !end.is_empty());
        let takes_codes = given.has(b'a') && dialect.read_array_takes_codes;
        let has_no_end = exactly.is_some() || (most.is_some() && dialect.counted_reads_have_no_end);
        Reach {
            raw: given.has(b'r')
                || (most.is_some() && dialect.counted_backslash == CountedBackslash::Stays),
            joins: false,
            keeps_backslash: takes_codes,
            drops_nul: drops_nul && !takes_codes,
            end: match (has_no_end, given.value(b'd')) {
                (true, _) => None,
                (false, Some(_)) if most.is_some() && dialect.counted_reads_are_of_lines => {
                    Some(b'\n')
                }
                (false, Some(end)) => Some(end.bytes().first().copied().unwrap_or(0)),
                (false, None) => Some(b'\n'),
            },
            most,
            descriptor: count(b'u').and_then(|number| u32::try_from(number).ok()).unwrap_or(0),
            exactly: exactly.is_some(),
            needs_all: exactly.is_some() && dialect.read_needs_all,
            counts_backslash: dialect.counted_backslash == CountedBackslash::Counts,
            finishes_characters: dialect.read_finishes_characters,
        }
    }
}

/// A stretch of input.
pub(super) struct Stretch {
    /// What it holds, without what ends it; escaped characters are quoted.
    pub(super) text: Text,
    /// Whether its end was there.
    pub(super) whole: bool,
    /// Whether the input ends with a backslash that quotes nothing.
    pub(super) quotes_nothing: bool,
}

impl Stretch {
    fn whole(text: Text) -> Stretch {
        Stretch { text, whole: true, quotes_nothing: false }
    }
}

impl Walker {
    /// The next stretch of input. `None` when nobody knows the input; a closed one is at its end.
    ///
    /// # Errors
    /// It is a coprocess that reads, and has to wait for the shell.
    pub(super) fn input_stretch(&mut self, reach: &Reach) -> Result<Option<Stretch>, Stop> {
        if !self.descriptors.is_open(reach.descriptor) {
            return Ok(Some(Stretch { whole: false, ..Stretch::whole(Text::new()) }));
        }
        let input = self.descriptors.input(reach.descriptor);
        self.feed(&input)?;
        let stretch = self.stretch_of(&input, reach);
        match stretch.as_ref().is_none_or(|stretch| !stretch.whole) && input.is_cut_short() {
            true if input.waits_for_shell() => Err(Stop::Waits),
            true => Ok(None),
            false => Ok(stretch),
        }
    }

    fn stretch_of(&self, input: &Input, reach: &Reach) -> Option<Stretch> {
        let dialect = &self.state.dialect;
        let utf8 = self.state.utf8() && !dialect.read_counts_bytes;
        let length_of = match utf8 && reach.finishes_characters {
            true => begun_length,
            false => {
                |bytes: &[u8], utf8| next_character(bytes, utf8).map_or(1, |(_, length)| length)
            }
        };
        let continued = match dialect.ends_of_input_are_continued {
            true => reach.end,
            false => Some(b'\n'),
        };
        let mut reading = input.reading()?.borrow_mut();
        if reading.is_unknown_at(reading.at) {
            return None;
        }
        if reading.at > reading.text.len() {
            return Some(Stretch { whole: false, ..Stretch::whole(Text::new()) });
        }
        let Reading { text, at, known_to, has_holes, .. } = &mut *reading;
        let bytes = &text.bytes()[..known_to.unwrap_or(text.len())];
        let mut line = Text::new();
        let part = |from: usize, to: usize, standing: Standing| {
            let mut part = match has_holes {
                true => text.slice_with_holes(from, to),
                false => text.slice(from, to),
            };
            part.set_standing(standing);
            part
        };
        let (mut from, mut next, mut count) = (*at, *at, 0);
        let mut quotes_nothing = false;
        while next < bytes.len() {
            if reach.most.is_some_and(|most| count >= most) {
                line.push_text(&part(from, next, Standing::Splittable));
                *at = next;
                return Some(Stretch::whole(line));
            }
            count += 1;
            if Some(bytes[next]) == reach.end {
                line.push_text(&part(from, next, Standing::Splittable));
                *at = next + 1;
                return Some(Stretch::whole(line));
            }
            if bytes[next] == 0 && reach.drops_nul {
                line.push_text(&part(from, next, Standing::Splittable));
                (from, next, count) = (next + 1, next + 1, count - 1);
                continue;
            }
            if bytes[next] == b'\\' && reach.joins {
                let is_end = bytes.get(next + 1).copied() == continued && continued.is_some();
                if is_end {
                    line.push_text(&part(from, next, Standing::Splittable));
                }
                next = (next + 2).min(bytes.len());
                from = if is_end { next } else { from };
                continue;
            }
            if bytes[next] == b'\\' && !reach.raw {
                line.push_text(&part(from, next, Standing::Splittable));
                if reach.counts_backslash {
                    if reach.most.is_some_and(|most| count >= most) {
                        *at = next + 1;
                        return Some(Stretch::whole(line));
                    }
                    count += 1;
                }
                match bytes.get(next + 1) {
                    Some(&quoted) if Some(quoted) == continued => {
                        count -= usize::from(!reach.counts_backslash);
                    }
                    Some(_) if reach.keeps_backslash => {
                        line.push_text(&part(next, next + 2, Standing::Quoted));
                    }
                    Some(_) => line.push_text(&part(next + 1, next + 2, Standing::Quoted)),
                    None if reach.keeps_backslash => {
                        line.push_text(&part(next, next + 1, Standing::Quoted));
                    }
                    None => (quotes_nothing, count) = (true, count - 1),
                }
                next = (next + 2).min(bytes.len());
                from = next;
                continue;
            }
            next += length_of(&bytes[next..], utf8);
        }
        if known_to.is_some() {
            return None;
        }
        let whole = reach.most.is_some_and(|most| count >= most);
        if reach.needs_all && !whole {
            return Some(Stretch { whole: false, ..Stretch::whole(Text::new()) });
        }
        line.push_text(&part(from, next, Standing::Splittable));
        *at = next;
        Some(Stretch { text: line, whole, quotes_nothing })
    }
}

/// How many bytes belong to the character that begins here, where the first byte of a longer one takes all that
/// follow it until they make a character, or none can be made.
fn begun_length(bytes: &[u8], _: bool) -> usize {
    let is_begun = |length: usize| {
        let begun = std::str::from_utf8(&bytes[..length]);
        begun.is_err_and(|error| error.valid_up_to() == 0 && error.error_len().is_none())
    };
    (1..bytes.len()).find(|&length| !is_begun(length)).unwrap_or(bytes.len())
}
