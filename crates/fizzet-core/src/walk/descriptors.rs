//! What a shell reads from: standard input, and the descriptors that redirections open.

use std::cell::RefCell;
use std::rc::Rc;

use rustc_hash::FxHashMap;

use crate::text::Text;

/// A text, and how much of it has been read.
#[derive(Debug)]
pub(super) struct Reading {
    pub(super) text: Text,
    pub(super) at: usize,
}

/// What a descriptor reads from. Copies share the place, as copies of a descriptor do.
#[derive(Clone, Default, Debug)]
pub(super) struct Input(Option<Rc<RefCell<Reading>>>);

impl Input {
    /// An input that nobody knows.
    pub(super) fn unknown() -> Input {
        Input(None)
    }

    /// A text from its start; one with a hole in it is not known.
    pub(super) fn of(text: Text) -> Input {
        let known = !text.has_hole();
        Input(known.then(|| Rc::new(RefCell::new(Reading { text, at: 0 }))))
    }

    /// The text and the place in it; `None` where nobody knows.
    pub(super) fn reading(&self) -> Option<&RefCell<Reading>> {
        self.0.as_deref()
    }
}

/// The descriptors that are open for reading.
#[derive(Clone, Debug)]
pub(super) struct Descriptors(FxHashMap<u32, Input>);

impl Descriptors {
    /// Those at the start: standard input, which nobody knows.
    pub(super) fn new() -> Descriptors {
        let mut all = FxHashMap::default();
        all.insert(0, Input::unknown());
        Descriptors(all)
    }

    /// What a descriptor reads from; one that nothing has opened is not known.
    pub(super) fn get(&self, descriptor: u32) -> Input {
        self.0.get(&descriptor).cloned().unwrap_or_default()
    }

    /// Opens a descriptor.
    pub(super) fn open(&mut self, descriptor: u32, input: Input) {
        self.0.insert(descriptor, input);
    }

    /// Closes a descriptor.
    pub(super) fn close(&mut self, descriptor: u32) {
        self.0.remove(&descriptor);
    }
}
