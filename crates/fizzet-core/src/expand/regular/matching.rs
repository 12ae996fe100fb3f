//! The leftmost longest match of a program, in time that grows with its steps and the text alone.
//!
//! A pass from the end of the text finds where the first match begins, one from there where the longest
//! ends. For the groups, what can reach that end is kept, and the way there is walked: at each choice the
//! first that leads on, as regexec of the C library does it.

use crate::expand::regular::program::{Program, Step};
use crate::expand::regular::tree::Leaf;
use crate::expand::regular::{Regular, Spans};

/// The characters of a text, and where each begins.
pub(super) struct Characters {
    pub(super) codes: Vec<u32>,
    pub(super) places: Vec<usize>,
}

/// The groups, as characters from and to.
type Groups = Vec<(Option<usize>, Option<usize>)>;

/// Steps that are there.
#[derive(Clone)]
struct Steps(Vec<u64>);

impl Steps {
    fn none(program: &Program) -> Steps {
        Steps(vec![0; program.steps.len().div_ceil(64)])
    }

    fn holds(&self, step: usize) -> bool {
        self.0[step / 64] >> (step % 64) & 1 == 1
    }

    /// Adds a step; whether it was not there.
    fn add(&mut self, step: usize) -> bool {
        let bit = 1 << (step % 64);
        let is_new = self.0[step / 64] & bit == 0;
        self.0[step / 64] |= bit;
        is_new
    }

    fn is_empty(&self) -> bool {
        self.0.iter().all(|bits| *bits == 0)
    }
}

/// A text that is matched.
pub(super) struct Matching<'a> {
    pub(super) regular: &'a Regular,
    pub(super) text: Characters,
}

impl Matching<'_> {
    /// The leftmost longest match.
    pub(super) fn find(&self) -> Option<Spans> {
        let start = self.leftmost()?;
        let end = self.longest(start)?;
        let mut groups = vec![(None, None); self.regular.groups + 1];
        if self.regular.groups > 0 {
            groups = self.walk(start, end, groups);
        }
        groups[0] = (Some(start), Some(end));
        let stands = |number: usize| groups[self.regular.program.stands[number]];
        Some((0..groups.len()).map(|number| self.span(stands(number))).collect())
    }

    pub(super) fn span(
        &self,
        (start, end): (Option<usize>, Option<usize>),
    ) -> Option<(usize, usize)> {
        Some((self.text.places[start?], self.text.places[end?]))
    }

    /// Whether a leaf fits at this place, as far as characters go.
    pub(super) fn takes(&self, leaf: &Leaf, at: usize) -> bool {
        let Some(&code) = self.text.codes.get(at) else { return false };
        match leaf {
            Leaf::Character(one) => self.regular.rules.same(code, *one),
            Leaf::Any => true,
            Leaf::Set(set) => set.holds(code),
            Leaf::Place(_) | Leaf::Group(_) => false,
        }
    }

    /// Whether a leaf is a place, and this is one.
    pub(super) fn is_place(&self, leaf: &Leaf, at: usize) -> bool {
        let Leaf::Place(place) = leaf else { return false };
        let before = at.checked_sub(1).map(|at| self.text.codes[at]);
        place.is_here(before, self.text.codes.get(at).copied(), self.regular.rules)
    }

    /// The steps from which a place is left to a match: at `at`, when `behind` are those of the place behind
    /// it; the match itself may be here if `ends`.
    fn reaching(&self, at: usize, behind: &Steps, ends: bool) -> Steps {
        let steps = &self.regular.program.steps;
        let mut found = Steps::none(&self.regular.program);
        loop {
            let mut grew = false;
            for (number, step) in steps.iter().enumerate() {
                let reaches = match step {
                    Step::Match => ends,
                    Step::Leaf(leaf, next) => {
                        (behind.holds(*next) && self.takes(leaf, at))
                            || (found.holds(*next) && self.is_place(leaf, at))
                    }
                    Step::Open(_, next) | Step::Close { next, .. } => found.holds(*next),
                    Step::Split(first, second) => found.holds(*first) || found.holds(*second),
                };
                grew |= reaches && found.add(number);
            }
            // Steps name those before them in the list, but for the passes of a loop.
            if !grew || !self.regular.loops {
                return found;
            }
        }
    }

    fn leftmost(&self) -> Option<usize> {
        let mut behind = Steps::none(&self.regular.program);
        let mut leftmost = None;
        for at in (0..=self.text.codes.len()).rev() {
            behind = self.reaching(at, &behind, true);
            if behind.holds(self.regular.program.start) {
                leftmost = Some(at);
            }
        }
        leftmost
    }

    fn longest(&self, start: usize) -> Option<usize> {
        let program = &self.regular.program;
        let mut here = vec![program.start];
        let mut longest = None;
        for at in start..=self.text.codes.len() {
            let mut seen = Steps::none(program);
            let mut behind = Vec::new();
            while let Some(number) = here.pop() {
                if !seen.add(number) {
                    continue;
                }
                match &program.steps[number] {
                    Step::Match => longest = Some(at),
                    Step::Leaf(leaf, next) if self.takes(leaf, at) => behind.push(*next),
                    Step::Leaf(leaf, next) if self.is_place(leaf, at) => here.push(*next),
                    Step::Leaf(..) => {}
                    Step::Open(_, next) | Step::Close { next, .. } => here.push(*next),
                    Step::Split(first, second) => here.extend([*first, *second]),
                }
            }
            if behind.is_empty() {
                break;
            }
            here = behind;
        }
        longest
    }

    /// Walks from the start of the match to its end and notes where groups begin and end.
    fn walk(&self, start: usize, end: usize, mut groups: Groups) -> Groups {
        let program = &self.regular.program;
        let mut reaching = vec![self.reaching(end, &Steps::none(program), true)];
        for at in (start..end).rev() {
            let steps = self.reaching(at, &reaching[reaching.len() - 1], false);
            reaching.push(steps);
        }
        let (mut number, mut at) = (program.start, start);
        let mut before = groups.clone();
        let mut passed = Steps::none(program);
        // At each fork still ahead, the side that is taken; the nearest is the last.
        let mut way: Vec<usize> = Vec::new();
        loop {
            let leads = &reaching[end - at];
            let is_character =
                matches!(&program.steps[number], Step::Leaf(leaf, _) if self.takes(leaf, at));
            if !is_character {
                passed.add(number);
            }
            number = match &program.steps[number] {
                Step::Match => return groups,
                Step::Leaf(_, next) => {
                    if is_character {
                        at += 1;
                        if !passed.is_empty() {
                            passed = Steps::none(program);
                        }
                    }
                    *next
                }
                Step::Open(group, next) => {
                    groups[*group] = (Some(at), None);
                    *next
                }
                Step::Close { number, optional, next } => {
                    close(&mut groups, &mut before, *number, *optional, at);
                    *next
                }
                // Whoever has come by here since the last character goes the other way; who has gone both
                // takes the straight way to the next one.
                Step::Split(first, second) => {
                    let (takes_first, takes_second) = (leads.holds(*first), leads.holds(*second));
                    let both = takes_first && takes_second;
                    if way.is_empty() && both && passed.holds(*first) && passed.holds(*second) {
                        way = self.straight_way(number, at, end, leads);
                    }
                    match way.pop() {
                        Some(next) => next,
                        None if takes_first && !(takes_second && passed.holds(*first)) => *first,
                        None => *second,
                    }
                }
            };
        }
    }
}

impl Matching<'_> {
    /// The sides to take at the forks from `from` to the next character, or to the end of the match; the
    /// first is the last. No step is passed twice.
    fn straight_way(&self, from: usize, at: usize, end: usize, leads: &Steps) -> Vec<usize> {
        let steps = &self.regular.program.steps;
        let mut seen = Steps::none(&self.regular.program);
        let mut waiting = vec![(from, Vec::new())];
        while let Some((number, mut sides)) = waiting.pop() {
            if !leads.holds(number) || !seen.add(number) {
                continue;
            }
            let next = match &steps[number] {
                Step::Match if at < end => continue,
                Step::Leaf(leaf, _) if !self.is_place(leaf, at) && !self.takes(leaf, at) => {
                    continue;
                }
                Step::Leaf(leaf, next) if self.is_place(leaf, at) => *next,
                Step::Match | Step::Leaf(..) => {
                    sides.reverse();
                    return sides;
                }
                Step::Open(_, next) | Step::Close { next, .. } => *next,
                Step::Split(first, second) => {
                    let mut others = sides.clone();
                    others.push(*second);
                    waiting.push((*second, others));
                    sides.push(*first);
                    *first
                }
            };
            waiting.push((next, sides));
        }
        Vec::new()
    }
}

/// A group ends here. What an optional one has matched before stays where it matches nothing now.
fn close(groups: &mut Groups, before: &mut Groups, number: usize, optional: bool, at: usize) {
    if groups[number].0.is_some_and(|start| start < at) {
        groups[number].1 = Some(at);
        before.clone_from(groups);
    } else if optional && before[number].0.is_some() {
        groups.clone_from(before);
    } else {
        groups[number].1 = Some(at);
    }
}
