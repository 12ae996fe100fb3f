//! What was written before: the commands of a loop stand where they stood, and most of what is written
//! of a command are places and words of the text.

use std::cell::RefCell;
use std::rc::Rc;

use fizzet_core::source::Span;
use serde::Serialize;
use serde_json::value::{RawValue, to_raw_value};

use crate::render::json::shape::{Arg, Made, Place};

/// How many of a kind are kept. Each has one slot that it can be kept in, so nothing grows and nothing
/// has to be put in order.
const SLOTS: usize = 1024;

/// The longest word that is kept, in bytes.
const LONGEST: usize = 64;

/// Places and words in the JSON shape. They belong to the texts of one walk.
#[derive(Default)]
pub(super) struct Kept {
    places: RefCell<Slots<()>>,
    words: RefCell<Slots<(bool, Box<[u8]>)>>,
}

/// One slot for all spans of the same number; a span is told from the others in it by itself and `K`.
struct Slots<K>(Vec<Option<(Span, K, Rc<RawValue>)>>);

impl<K> Default for Slots<K> {
    fn default() -> Slots<K> {
        Slots((0..SLOTS).map(|_| None).collect())
    }
}

impl<K> Slots<K> {
    fn get(&self, span: Span, is_same: impl Fn(&K) -> bool) -> Option<Rc<RawValue>> {
        let (kept, key, written) = self.0[slot_of(span)].as_ref()?;
        (*kept == span && is_same(key)).then(|| Rc::clone(written))
    }

    /// What cannot be kept is still written.
    fn keep(&mut self, span: Span, key: K, shape: &impl Serialize) {
        if let Ok(written) = to_raw_value(shape) {
            self.0[slot_of(span)] = Some((span, key, written.into()));
        }
    }
}

impl Kept {
    /// The place of a span, made only if it is not kept.
    pub(super) fn place<'a>(
        &self,
        span: Span,
        make: impl FnOnce() -> Place<'a>,
    ) -> Made<Place<'a>> {
        if let Some(written) = self.places.borrow().get(span, |()| true) {
            return Made::Before(written);
        }
        let place = make();
        self.places.borrow_mut().keep(span, (), &place);
        Made::Now(place)
    }

    /// A word whose bytes all come from `span` of a text, in one way.
    pub(super) fn word<'a>(
        &self,
        span: Span,
        quoted: bool,
        bytes: &[u8],
        make: impl FnOnce() -> Arg<'a>,
    ) -> Made<Arg<'a>> {
        let is_same = |(kept, word): &(bool, Box<[u8]>)| *kept == quoted && **word == *bytes;
        if let Some(written) = self.words.borrow().get(span, is_same) {
            return Made::Before(written);
        }
        let word = make();
        if bytes.len() <= LONGEST {
            self.words.borrow_mut().keep(span, (quoted, bytes.into()), &word);
        }
        Made::Now(word)
    }
}

/// The words of a text start at different bytes, and few spans share their start.
fn slot_of(span: Span) -> usize {
    let (start, end, source) = (span.start as usize, span.end as usize, span.source.number());
    (start ^ (end << 5) ^ (source << 8)) % SLOTS
}

#[cfg(test)]
mod tests {
    use fizzet_core::source::{SourceId, Span};

    use super::{Kept, SLOTS, slot_of};
    use crate::render::json::shape::{Arg, Made, Place};

    fn written(made: &Made<impl serde::Serialize>) -> (bool, String) {
        (matches!(made, Made::Before(_)), serde_json::to_string(made).unwrap())
    }

    #[test]
    fn places_of_one_slot_are_told_apart() {
        let kept = Kept::default();
        let (near, far) =
            (Span::new(SourceId::MAIN, 3, 8), Span::new(SourceId::MAIN, 3 + SLOTS, 8));
        assert_eq!(slot_of(near), slot_of(far));
        let place = |span: Span| {
            let make = || {
                let (start, end) = (span.start, span.end);
                Place { source: "line".into(), start, end, line: 1, column: 4 }
            };
            written(&kept.place(span, make))
        };
        let first = place(near);
        assert_eq!(place(near), (true, first.1.clone()));
        assert_eq!(place(far).1, first.1.replace("\"start\":3,", "\"start\":1027,"));
        assert_eq!(place(near), first);
    }

    #[test]
    fn words_of_one_place_are_told_apart() {
        let kept = Kept::default();
        let span = Span::new(SourceId::MAIN, 0, 5);
        let word =
            |bytes| written(&kept.word(span, false, bytes, || Arg::of_bytes(bytes, None, false)));
        assert_eq!(word(b"label"), (false, r#"{"text":"label","length":5}"#.into()));
        assert_eq!(word(b"label"), (true, r#"{"text":"label","length":5}"#.into()));
        assert_eq!(word(b"jar"), (false, r#"{"text":"jar","length":3}"#.into()));
        let long = [b'h'; 80];
        assert!(!word(&long).0 && !word(&long).0);
    }
}
