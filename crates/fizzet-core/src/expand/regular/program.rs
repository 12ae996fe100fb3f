//! The program that a regular expression becomes: steps that name the steps behind them.

use crate::expand::regular::Rules;
use crate::expand::regular::tree::{Leaf, Place, Tree};

/// The most steps of a program.
pub(super) const MAX_STEPS: usize = 200_000;

/// A step, and where it goes on.
#[derive(Clone, Debug)]
pub(super) enum Step {
    /// A character or a place, and the step behind it.
    Leaf(Leaf, usize),
    /// A group begins.
    Open(usize, usize),
    /// A group ends; whether it stands where it may match nothing.
    Close { number: usize, optional: bool, next: usize },
    /// The one or, if that leads nowhere, the other.
    Split(usize, usize),
    /// The end.
    Match,
}

/// A program; the step that it begins with is the last.
#[derive(Debug)]
pub(super) struct Program {
    pub(super) steps: Vec<Step>,
    pub(super) start: usize,
    /// For each group the one that stands for it: itself, or the one around it that holds nothing else.
    pub(super) stands: Vec<usize>,
}

impl Program {
    /// The program of a tree; nothing if it is too large.
    pub(super) fn new(tree: &Tree, groups: usize) -> Option<Program> {
        let mut program =
            Program { steps: vec![Step::Match], start: 0, stands: (0..=groups).collect() };
        program.start = program.emit(tree, 0)?;
        Some(program)
    }

    fn push(&mut self, step: Step) -> Option<usize> {
        self.steps.push(step);
        (self.steps.len() <= MAX_STEPS).then_some(self.steps.len() - 1)
    }

    /// Adds the steps of a tree behind which `next` comes; the first of them.
    fn emit(&mut self, tree: &Tree, next: usize) -> Option<usize> {
        match tree {
            Tree::Leaf(leaf) => self.push(Step::Leaf(leaf.clone(), next)),
            Tree::Row(parts) => {
                parts.iter().rev().try_fold(next, |next, part| self.emit(part, next))
            }
            Tree::Either(ways) => {
                let mut first = self.emit(ways.first()?, next)?;
                for (at, way) in ways.iter().enumerate().skip(1) {
                    let second = self.emit(way, next)?;
                    // A first one that matches nothing comes behind the second.
                    first = match at == 1 && ways[0].is_nothing() {
                        true => self.split(second, first)?,
                        false => self.split(first, second)?,
                    };
                }
                Some(first)
            }
            Tree::Repeated(one, least, most) => {
                // The required passes come first, each of its own.
                let rest = match most {
                    None => self.any(one, next)?,
                    Some(most) => self.up_to(one, most - least, next)?,
                };
                (0..*least).try_fold(rest, |next, _| self.emit(one, next))
            }
            Tree::Group(number, inner) => self.group(*number, false, inner, next),
        }
    }

    /// A part that may be left out.
    fn emit_optional(&mut self, one: &Tree, next: usize) -> Option<usize> {
        match one {
            Tree::Group(number, inner) => self.group(*number, true, inner, next),
            one => self.emit(one, next),
        }
    }

    fn any(&mut self, one: &Tree, next: usize) -> Option<usize> {
        let again = self.push(Step::Split(next, next))?;
        let first = self.emit_optional(one, again)?;
        self.steps[again] = Step::Split(first, next);
        Some(again)
    }

    /// So many passes at most; each stands behind the one before.
    fn up_to(&mut self, one: &Tree, most: usize, next: usize) -> Option<usize> {
        let mut passes = vec![next];
        for pass in 0..most {
            passes.push(self.emit_optional(one, passes[pass])?);
        }
        passes.reverse();
        let Some((&first, behind)) = passes.split_first() else { return Some(next) };
        behind.iter().try_fold(first, |before, &behind| self.split(before, behind))
    }

    fn split(&mut self, first: usize, second: usize) -> Option<usize> {
        if first == second {
            return Some(first);
        }
        self.push(Step::Split(first, second))
    }

    fn group(
        &mut self,
        number: usize,
        optional: bool,
        mut inner: &Tree,
        next: usize,
    ) -> Option<usize> {
        // Of groups that hold nothing but each other only the outermost is there.
        while let Tree::Group(within, inside) = inner {
            self.stands[*within] = number;
            inner = inside;
        }
        let close = self.push(Step::Close { number, optional, next })?;
        let first = self.emit(inner, close)?;
        self.push(Step::Open(number, first))
    }
}

impl Place {
    /// Whether this is such a place: what the characters on both sides are, if there are any.
    pub(super) fn is_here(self, before: Option<u32>, behind: Option<u32>, rules: Rules) -> bool {
        let is_word = |code: Option<u32>| code.is_some_and(|code| rules.is_word(code));
        let (left, right) = (is_word(before), is_word(behind));
        // In ksh93 the start of a text is always the edge of a word, whichever side of it.
        let at_start = rules.is_lenient() && before.is_none();
        let is_edge = left != right || at_start;
        match self {
            Place::Start => before.is_none(),
            Place::End => behind.is_none(),
            Place::WordStart => !left && right,
            Place::WordEnd => (left || at_start) && !right,
            Place::WordEdge => is_edge,
            Place::NoWordEdge => !is_edge,
        }
    }
}
