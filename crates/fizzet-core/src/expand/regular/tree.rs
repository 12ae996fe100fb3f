//! The tree of a regular expression.

use std::rc::Rc;

use crate::expand::pattern::class::Set;

/// A part of an expression.
#[derive(Clone, Debug)]
pub(super) enum Tree {
    /// One character, or a place between two.
    Leaf(Leaf),
    /// One behind the other.
    Row(Vec<Tree>),
    /// One of these.
    Either(Vec<Tree>),
    /// The part, at least and at most so often.
    Repeated(Box<Tree>, usize, Option<usize>),
    /// `(...)`, with its number, from 1.
    Group(usize, Box<Tree>),
}

/// What matches one character, or none at a place.
#[derive(Clone, Debug)]
pub(super) enum Leaf {
    Character(u32),
    Any,
    Set(Rc<Set>),
    Place(Place),
    /// `\1`: what the group of this number has matched.
    Group(usize),
}

/// Where something may match nothing.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Place {
    Start,
    End,
    /// Before the first character of a word.
    WordStart,
    /// Behind the last character of a word.
    WordEnd,
    /// At either end of a word.
    WordEdge,
    /// Anywhere else.
    NoWordEdge,
}

impl Tree {
    /// What matches nothing, everywhere.
    pub(super) fn nothing() -> Tree {
        Tree::Row(Vec::new())
    }

    pub(super) fn is_nothing(&self) -> bool {
        matches!(self, Tree::Row(parts) if parts.is_empty())
    }

    /// The part, repeated.
    pub(super) fn repeated(self, least: usize, most: Option<usize>) -> Tree {
        match most == Some(0) || self.is_nothing() {
            true => Tree::nothing(),
            false => Tree::Repeated(Box::new(self), least, most),
        }
    }
}
