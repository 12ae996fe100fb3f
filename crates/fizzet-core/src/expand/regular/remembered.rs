//! Expressions that name what a group has matched (`\1`): matched by trying one way after the other.

use crate::expand::regular::Spans;
use crate::expand::regular::matching::Matching;
use crate::expand::regular::program::Step;
use crate::expand::regular::tree::Leaf;
use crate::source::Span;
use crate::stop::Stop;

/// The most steps of one match.
const MAX_STEPS: u32 = 500_000;

/// A way that is still to be tried: a step, a place, and where the groups begin and end there.
struct Way {
    step: usize,
    at: usize,
    groups: Vec<(Option<usize>, Option<usize>)>,
    /// Where each loop was when it was passed last.
    passed: Vec<usize>,
}

/// Something is needed more often than this.
#[derive(Debug)]
pub(crate) struct TooLong {
    pub(super) what: &'static str,
    pub(super) limit: u64,
}

/// What a match takes.
pub(super) const STEPS: &str = "steps in the match of one regular expression";

impl TooLong {
    /// The reason to stop that this is.
    pub(crate) fn at(self, span: Span) -> Stop {
        Stop::Limit { what: self.what, limit: self.limit, span }
    }
}

impl Matching<'_> {
    /// The leftmost longest match of an expression that names groups.
    pub(super) fn find_remembered(&self) -> Result<Option<Spans>, TooLong> {
        let mut steps = 0;
        for start in 0..=self.text.codes.len() {
            if let Some(found) = self.remembered_at(start, &mut steps)? {
                return Ok(Some(found));
            }
        }
        Ok(None)
    }

    fn remembered_at(&self, start: usize, steps: &mut u32) -> Result<Option<Spans>, TooLong> {
        let program = &self.regular.program;
        let first = Way {
            step: program.start,
            at: start,
            groups: vec![(None, None); self.regular.groups + 1],
            passed: vec![usize::MAX; program.steps.len()],
        };
        let mut ways = vec![first];
        let mut best: Option<Way> = None;
        while let Some(mut way) = ways.pop() {
            *steps += 1;
            if *steps > MAX_STEPS {
                return Err(TooLong { what: STEPS, limit: MAX_STEPS.into() });
            }
            way.step = match &program.steps[way.step] {
                Step::Match => {
                    if best.as_ref().is_none_or(|best| best.at < way.at) {
                        best = Some(way);
                    }
                    continue;
                }
                Step::Leaf(Leaf::Group(number), next) => {
                    let Some(length) = self.same_again(&way, *number) else { continue };
                    way.at += length;
                    *next
                }
                Step::Leaf(leaf, next) if self.takes(leaf, way.at) => {
                    way.at += 1;
                    *next
                }
                Step::Leaf(leaf, next) if self.is_place(leaf, way.at) => *next,
                Step::Leaf(..) => continue,
                Step::Open(number, next) => {
                    way.groups[*number] = (Some(way.at), None);
                    *next
                }
                Step::Close { number, next, .. } => {
                    way.groups[*number].1 = Some(way.at);
                    *next
                }
                Step::Split(first, second) => {
                    // A loop that has matched nothing is left.
                    let again = std::mem::replace(&mut way.passed[way.step], way.at) == way.at;
                    if !again {
                        ways.push(Way {
                            step: *second,
                            at: way.at,
                            groups: way.groups.clone(),
                            passed: way.passed.clone(),
                        });
                    }
                    if again { *second } else { *first }
                }
            };
            ways.push(way);
        }
        Ok(best.map(|mut best| {
            best.groups[0] = (Some(start), Some(best.at));
            let stands = |number: usize| best.groups[program.stands[number]];
            (0..best.groups.len()).map(|number| self.span(stands(number))).collect()
        }))
    }

    /// The length of what a group has matched, if the same stands here.
    fn same_again(&self, way: &Way, number: usize) -> Option<usize> {
        let (start, end) = way.groups[self.regular.program.stands[number]];
        let known = &self.text.codes[start?..end?];
        let here = self.text.codes.get(way.at..way.at + known.len())?;
        let same = known.iter().zip(here).all(|(one, other)| self.regular.rules.same(*one, *other));
        same.then_some(known.len())
    }
}
