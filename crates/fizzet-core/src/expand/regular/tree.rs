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
    /// One or the other.
    Either(Box<Tree>, Box<Tree>),
    /// `*`
    Any(Box<Tree>),
    /// `{0,n}`: each pass stands behind the one before.
    UpTo(Box<Tree>, usize),
    /// `(...)`
    Group {
        /// Its number, from 1.
        number: usize,
        /// Whether it stands where it may match nothing at all, as in `(a)*`.
        optional: bool,
        inner: Box<Tree>,
    },
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

    /// The part, repeated. The required passes come first, each a copy of its own.
    pub(super) fn repeated(self, least: usize, most: Option<usize>) -> Tree {
        if most == Some(0) || self.is_nothing() {
            return Tree::nothing();
        }
        let mut passes = vec![self.clone(); least];
        if most != Some(least) {
            let one = Box::new(self.optional());
            passes.push(match most {
                None => Tree::Any(one),
                Some(most) => Tree::UpTo(one, most - least),
            });
        }
        match passes.len() {
            1 => passes.remove(0),
            _ => Tree::Row(passes),
        }
    }

    fn optional(self) -> Tree {
        match self {
            Tree::Group { number, inner, .. } => Tree::Group { number, optional: true, inner },
            other => other,
        }
    }
}
