//! What was written before: the commands of a loop stand where they stood, and most of what is written
//! of a command are places and words of the text.

use std::cell::RefCell;
use std::rc::Rc;

use fizzet_core::source::Span;
use rustc_hash::FxHashMap;
use serde::Serialize;
use serde_json::value::{RawValue, to_raw_value};

use crate::render::json::shape::{Arg, Made, Place};

/// How many of a kind are kept. When there are more, keeping begins anew: nothing grows, and nothing has to be
/// put in order.
const MOST: usize = 4096;

/// The longest word that is kept, in bytes.
const LONGEST: usize = 64;

/// Places and words in the JSON shape. They belong to the texts of one walk.
#[derive(Default)]
pub(super) struct Kept {
    places: RefCell<Written<()>>,
    words: RefCell<Written<(bool, Box<[u8]>)>>,
}

/// What was written of a span; a word is told from others of the same span by `K`.
struct Written<K>(FxHashMap<Span, (K, Rc<RawValue>)>);

impl<K> Default for Written<K> {
    fn default() -> Written<K> {
        Written(FxHashMap::default())
    }
}

impl<K> Written<K> {
    fn get(&self, span: Span, is_same: impl Fn(&K) -> bool) -> Option<Rc<RawValue>> {
        let (key, written) = self.0.get(&span)?;
        is_same(key).then(|| Rc::clone(written))
    }

    /// What cannot be kept is still written.
    fn keep(&mut self, span: Span, key: K, shape: &impl Serialize) {
        if self.0.len() >= MOST {
            self.0.clear();
        }
        if let Ok(written) = to_raw_value(shape) {
            self.0.insert(span, (key, written.into()));
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

#[cfg(test)]
mod tests {
    use fizzet_core::source::{SourceId, Span};

    use super::{Kept, MOST};
    use crate::render::json::shape::{Arg, Made, Place};

    fn written(made: &Made<impl serde::Serialize>) -> (bool, String) {
        (matches!(made, Made::Before(_)), serde_json::to_string(made).unwrap())
    }

    #[test]
    fn places_are_kept_as_long_as_there_is_room() {
        let kept = Kept::default();
        let place = |start: usize| {
            let span = Span::new(SourceId::MAIN, start, start + 5);
            let make = || {
                let (start, end) = (span.start, span.end);
                Place { source: "line".into(), start, end, line: 1, column: 4 }
            };
            written(&kept.place(span, make))
        };
        let first = place(3);
        assert_eq!(place(3), (true, first.1.clone()));
        for start in 0..MOST {
            assert!(place(start).1.contains(&format!("\"start\":{start},")));
        }
        assert!(kept.places.borrow().0.len() <= MOST);
        place(MOST);
        assert_eq!(place(3), first);
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
