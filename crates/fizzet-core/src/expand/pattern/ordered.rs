//! Which match comes first where alternatives count in the order they are written (observed in zsh 5.9:
//! `x=abc; echo ${x##(a|ab)} ${x/(|a)/r}`).
//!
//! The items are laid out as operations of a machine that tries one way after the other and goes back when one fails.
//! No operation is tried twice at one place, so a search takes at most operations times text steps.

use rustc_hash::FxHashSet;

use crate::expand::pattern::escapes::Place;
use crate::expand::pattern::{Item, Pattern, PatternRules, Repeat, Told};

/// How many operations a pattern may become. Longer ones are matched as if order did not count.
const MAX_OPERATIONS: usize = 4096;

/// How many pairs of an operation and a place are kept apart.
const MAX_TRIED: usize = 1 << 22;

enum Operation<'p> {
    /// Takes what one item takes.
    Step(&'p Item),
    /// Goes on where a place is of this kind.
    Place(Place),
    /// Tries one operation, and then another.
    Either(usize, usize),
    Jump(usize),
    /// A group begins that is told.
    Open(u8),
    /// It ends.
    Close(u8),
    /// Goes on unless these items match all from the start to here.
    Unless(&'p [Item]),
    /// Tries every end of an item that no order of ways is known for, the farthest first.
    Ends(&'p Item),
    Done,
}

/// Too many pairs would have to be kept apart.
struct TooMany;

/// What is still to be tried.
enum Way {
    /// An operation at a place.
    Try(usize, usize),
    /// What a group had matched before the way that has failed.
    GoBack(u8, Held),
}

/// Where a group began last, and what it has matched.
type Held = (usize, Option<(usize, usize)>);

/// The operations of a pattern.
pub(super) struct Program<'p> {
    pattern: &'p Pattern,
    operations: Vec<Operation<'p>>,
}

impl Pattern {
    /// The pattern as operations, where the order of its alternatives counts and it has any.
    pub(super) fn program(&self) -> Option<Program<'_>> {
        if !self.is_in_order() {
            return None;
        }
        let mut program = Program { pattern: self, operations: Vec::new() };
        match &self.items[..] {
            [Item::Except(items, other)] => {
                program.lay_out(items);
                program.operations.push(Operation::Unless(other));
            }
            items => program.lay_out(items),
        }
        program.operations.push(Operation::Done);
        (program.operations.len() <= MAX_OPERATIONS).then_some(program)
    }

    /// Whether the order of its alternatives counts, and it has any.
    pub(in crate::expand) fn is_in_order(&self) -> bool {
        self.rules.alternatives_in_order && self.has_groups
    }

    /// Whether something is told of its matches.
    pub(in crate::expand) fn tells(&self) -> bool {
        self.told != Default::default()
    }

    /// Whether the match as a whole is told.
    pub(in crate::expand) fn tells_whole(&self) -> bool {
        self.told.whole
    }

    /// The same pattern with all its groups told, numbered in the order in which they open.
    pub(in crate::expand) fn telling_groups(&self) -> Pattern {
        let mut count = self.numbers;
        let items = match count {
            0 => numbered(&self.items, &mut count),
            _ => self.items.clone(),
        };
        let rules = PatternRules { alternatives_in_order: true, ..self.rules };
        Pattern { items, rules, told: Told { groups: count, ..Told::default() }, ..self.clone() }
    }

    /// What the groups that are told have matched, for a match between two places.
    pub(in crate::expand) fn groups(
        &self,
        text: &[u8],
        (start, end): (usize, usize),
    ) -> Vec<Option<(usize, usize)>> {
        let folded = self.folded(text);
        let found = self.program().and_then(|one| one.run(&folded, start, Some(end)).ok()?);
        let (_, mut told) = found.unwrap_or_default();
        told.resize(self.told.groups.into(), (0, None));
        told.into_iter().map(|(_, span)| span).collect()
    }

    /// Where the match ends that begins at the start of `text`: the first in the order of the alternatives, or else the
    /// longest one.
    pub(in crate::expand) fn longest_end(&self, text: &[u8]) -> Option<usize> {
        let folded = self.folded(text);
        match self.program() {
            Some(program) => program.end(&folded, 0),
            None => self.folded_ends(&folded, false).pop(),
        }
    }
}

/// Items whose groups have numbers.
fn numbered(items: &[Item], count: &mut u8) -> Vec<Item> {
    let numbered_item = |item: &Item| match item {
        Item::Group(repeat, alternatives) if *count < u8::MAX => {
            let number = *count;
            *count += 1;
            let inside = alternatives.iter().map(|items| numbered(items, count)).collect();
            Item::Told(number, Box::new(Item::Group(*repeat, inside)))
        }
        item => item.clone(),
    };
    items.iter().map(numbered_item).collect()
}

/// Which is tried first of another pass and what follows.
#[derive(Clone, Copy)]
enum Prefers {
    /// Another pass.
    More,
    /// What follows.
    Fewer,
}

impl Prefers {
    fn between<'p>(self, again: usize, next: usize) -> Operation<'p> {
        match self {
            Prefers::More => Operation::Either(again, next),
            Prefers::Fewer => Operation::Either(next, again),
        }
    }
}

impl<'p> Program<'p> {
    fn lay_out(&mut self, items: &'p [Item]) {
        for item in items {
            if self.operations.len() > MAX_OPERATIONS {
                return;
            }
            match item {
                Item::Star => {
                    let any = |this: &mut Self| this.operations.push(Operation::Step(&Item::Any));
                    self.repeated(any, Prefers::More)
                }
                Item::Place(place) => self.operations.push(Operation::Place(*place)),
                Item::Group(Repeat::Not, _) | Item::Except(..) => {
                    self.operations.push(Operation::Ends(item));
                }
                Item::Group(repeat, alternatives) => self.group(*repeat, alternatives),
                Item::Told(number, group) => {
                    self.operations.push(Operation::Open(*number));
                    self.lay_out(std::slice::from_ref(group));
                    self.operations.push(Operation::Close(*number));
                }
                Item::Literal(_) | Item::Any | Item::Set(_) => {
                    self.operations.push(Operation::Step(item));
                }
            }
        }
    }

    fn group(&mut self, repeat: Repeat, alternatives: &'p [Vec<Item>]) {
        let once = |this: &mut Self| this.alternatives(alternatives);
        match repeat {
            Repeat::Once | Repeat::Not => once(self),
            Repeat::Maybe => self.optional(once, Prefers::More),
            Repeat::Any => self.repeated(once, Prefers::More),
            Repeat::Some => {
                let body = self.operations.len();
                once(self);
                let next = self.operations.len() + 1;
                self.operations.push(Operation::Either(body, next));
            }
            Repeat::Times(least, most) => self.times((least, most), once, Prefers::More),
            Repeat::Fewest(least, most) => self.times((least, most), once, Prefers::Fewer),
        }
    }

    /// What `body` lays out, at least and at most as often as this.
    fn times(
        &mut self,
        (least, most): (u32, Option<u32>),
        body: impl Fn(&mut Self),
        prefers: Prefers,
    ) {
        for _ in 0..least.min(MAX_OPERATIONS as u32) {
            body(self);
        }
        let Some(most) = most else { return self.repeated(body, prefers) };
        for _ in least..most.min(MAX_OPERATIONS as u32) {
            if self.operations.len() > MAX_OPERATIONS {
                return;
            }
            self.optional(&body, prefers);
        }
    }

    fn alternatives(&mut self, alternatives: &'p [Vec<Item>]) {
        let mut jumps = Vec::new();
        for (at, items) in alternatives.iter().enumerate() {
            let choice = self.operations.len();
            let is_last = at + 1 == alternatives.len();
            if !is_last {
                self.operations.push(Operation::Either(choice + 1, 0));
            }
            self.lay_out(items);
            if is_last {
                break;
            }
            jumps.push(self.operations.len());
            self.operations.push(Operation::Jump(0));
            self.operations[choice] = Operation::Either(choice + 1, self.operations.len());
        }
        let end = self.operations.len();
        for jump in jumps {
            self.operations[jump] = Operation::Jump(end);
        }
    }

    /// What `body` lays out, or nothing.
    fn optional(&mut self, body: impl Fn(&mut Self), prefers: Prefers) {
        let choice = self.operations.len();
        self.operations.push(Operation::Jump(0));
        body(self);
        self.operations[choice] = prefers.between(choice + 1, self.operations.len());
    }

    /// What `body` lays out, as often as it comes. Where it has taken nothing its start has been tried at that place
    /// already, so that the way goes on behind it.
    fn repeated(&mut self, body: impl Fn(&mut Self), prefers: Prefers) {
        let choice = self.operations.len();
        self.operations.push(Operation::Jump(0));
        body(self);
        let next = self.operations.len() + 1;
        self.operations.push(prefers.between(choice + 1, next));
        self.operations[choice] = prefers.between(choice + 1, next);
    }

    /// Where the first match ends that begins at `start` of a text in the letters that are compared.
    pub(super) fn end(&self, text: &[u8], start: usize) -> Option<usize> {
        match self.run(text, start, None) {
            Ok(found) => found.map(|(end, _)| end),
            Err(TooMany) => self.pattern.reach(text, start).iter().rposition(|reached| *reached),
        }
    }

    /// The first match that begins at `start`, or the first that ends at a place too, with what its groups have.
    fn run(
        &self,
        text: &[u8],
        start: usize,
        end: Option<usize>,
    ) -> Result<Option<(usize, Vec<Held>)>, TooMany> {
        let places = text.len() - start + 1;
        let mut told: Vec<Held> = vec![(0, None); self.pattern.told.groups.into()];
        // Most matches try few pairs, however long the text is.
        let mut tried = FxHashSet::default();
        // Where the items of `Unless` end that begin at the start; there is one such operation at most.
        let mut without = None;
        let mut ways = vec![Way::Try(0, start)];
        while let Some(way) = ways.pop() {
            let (operation, at) = match way {
                Way::Try(operation, at) => (operation, at),
                Way::GoBack(number, before) => {
                    told[usize::from(number)] = before;
                    continue;
                }
            };
            if !tried.insert(operation * places + (at - start)) {
                continue;
            }
            if tried.len() > MAX_TRIED {
                return Err(TooMany);
            }
            match &self.operations[operation] {
                Operation::Done if end.is_none_or(|end| end == at) => {
                    return Ok(Some((at, told)));
                }
                Operation::Done => {}
                Operation::Open(number) | Operation::Close(number) => {
                    let group = &mut told[usize::from(*number)];
                    ways.push(Way::GoBack(*number, *group));
                    match self.operations[operation] {
                        Operation::Open(_) => group.0 = at,
                        _ => group.1 = Some((group.0, at)),
                    }
                    ways.push(Way::Try(operation + 1, at));
                }
                Operation::Step(item) => {
                    let taken = self.pattern.step(item, &text[at..]);
                    ways.extend(taken.map(|length| Way::Try(operation + 1, at + length)));
                }
                Operation::Place(place) => {
                    ways.extend(place.is_at(text, at).then_some(Way::Try(operation + 1, at)));
                }
                Operation::Either(first, second) => {
                    ways.extend([Way::Try(*second, at), Way::Try(*first, at)]);
                }
                Operation::Unless(items) => {
                    let without = without.get_or_insert_with(|| {
                        let mut from = vec![false; text.len() + 1];
                        from[start] = true;
                        self.pattern.through(items, text, from)
                    });
                    if !without[at] {
                        ways.push(Way::Try(operation + 1, at));
                    }
                }
                Operation::Jump(to) => ways.push(Way::Try(*to, at)),
                Operation::Ends(item) => {
                    let mut from = vec![false; text.len() + 1];
                    from[at] = true;
                    let ends = self.pattern.through(std::slice::from_ref(item), text, from);
                    let ends = (at..ends.len()).filter(|&end| ends[end]);
                    ways.extend(ends.map(|end| Way::Try(operation + 1, end)));
                }
            }
        }
        Ok(None)
    }
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use crate::dialect::{Dialect, Shell};
    use crate::expand::pattern::{Pattern, PatternRules};

    fn pattern(written: &str) -> Pattern {
        let rules = PatternRules::new(&Dialect::of(Shell::Zsh), true);
        let rules = PatternRules { operators: true, ..rules };
        Pattern::new(written.as_bytes(), &vec![false; written.len()], rules)
    }

    fn end(written: &str, text: &str) -> Option<usize> {
        pattern(written).longest_end(text.as_bytes())
    }

    #[test]
    fn the_first_alternative_that_matches_counts() {
        assert_eq!(end("(a|ab)", "abc"), Some(1));
        assert_eq!(end("(ab|a)", "abc"), Some(2));
        assert_eq!(end("(a|ab)c", "abc"), Some(3));
        assert_eq!(end("(|a)", "abc"), Some(0));
        assert_eq!(end("(a|)(|b)", "abc"), Some(1));
        assert_eq!(end("(x|y)", "abc"), None);
    }

    #[test]
    fn what_is_repeated_goes_on_while_it_takes_something() {
        assert_eq!(end("a#", "aab"), Some(2));
        assert_eq!(end("(|a)##", "aab"), Some(0));
        assert_eq!(end("(a|b)(#c2)", "abb"), Some(2));
        assert_eq!(end("(a|b)(#c,2)", "abb"), Some(2));
        assert_eq!(end("<->", "12a"), Some(2));
        assert_eq!(end("*~ab", "ab"), Some(1));
    }

    #[test]
    fn groups_are_told_by_their_numbers() {
        let pattern = pattern("(#b)(a|b)#(x|(y))");
        assert!(pattern.tells() && !pattern.tells_whole());
        assert_eq!(pattern.groups(b"abx", (0, 3)), [Some((1, 2)), Some((2, 3)), None]);
    }

    #[test]
    fn many_ways_do_not_explode() {
        let written = format!("{}b", "(a|aa)#".repeat(12));
        assert_eq!(end(&written, &"a".repeat(400)), None);
    }

    proptest! {
        /// The order only chooses among the ends that there are.
        #[test]
        fn an_end_in_order_is_one_of_all_ends(
            written in "(a|b|[?]|[*]|[(](a|b|)[|](a|ab|)[)]#?){1,5}",
            text in "[ab]{0,8}",
        ) {
            let pattern = pattern(&written);
            let all = pattern.prefix_ends(text.as_bytes());
            match pattern.longest_end(text.as_bytes()) {
                Some(end) => prop_assert!(all.contains(&end), "{written} {text} {end} {all:?}"),
                None => prop_assert!(all.is_empty(), "{written} {text} {all:?}"),
            }
        }
    }
}
