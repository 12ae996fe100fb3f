//! Which patterns a name that begins with a dot may match.

use crate::expand::pattern::{Item, Pattern, Repeat};

impl Pattern {
    /// The patterns that a hidden name may match: those that begin with a dot. Where groups count, each way
    /// through the groups at the start is a pattern of its own.
    pub fn of_hidden_names(&self, through_groups: bool) -> Vec<Pattern> {
        if self.begins_with(b'.') {
            return vec![self.clone()];
        }
        let mut ways = Ways { found: Vec::new(), steps: MAX_STEPS };
        if through_groups {
            ways.enter(&self.items);
        }
        ways.found.into_iter().map(|items| Pattern::of(items, self.rules)).collect()
    }
}

/// How many groups at the start of a pattern are gone through, counting each again for every way to it.
const MAX_STEPS: u32 = 256;

/// The ways through the groups that a pattern begins with, so far as they begin with a dot.
struct Ways {
    found: Vec<Vec<Item>>,
    /// How many more groups may be entered: groups in groups have very many ways.
    steps: u32,
}

impl Ways {
    fn enter(&mut self, items: &[Item]) {
        let (repeat, alternatives, rest) = match items.split_first() {
            Some((Item::Told(_, group), rest)) => {
                return self.enter(&[&[(**group).clone()], rest].concat());
            }
            Some((Item::Literal(bytes), _)) if bytes[0] == b'.' => {
                return self.found.push(items.to_vec());
            }
            Some((Item::Group(repeat, alternatives), rest)) if self.steps > 0 => {
                (repeat, alternatives, rest)
            }
            _ => return,
        };
        self.steps -= 1;
        let again = match repeat {
            Repeat::Any | Repeat::Some | Repeat::Times(..) | Repeat::Fewest(..) => {
                vec![Item::Group(Repeat::Any, alternatives.clone())]
            }
            Repeat::Once | Repeat::Maybe => Vec::new(),
            Repeat::Not => return,
        };
        // An empty alternative passes the group by, once for all.
        let passes = matches!(
            repeat,
            Repeat::Any | Repeat::Maybe | Repeat::Times(0, _) | Repeat::Fewest(0, _)
        ) || alternatives.iter().any(Vec::is_empty);
        for first in alternatives.iter().filter(|first| !first.is_empty()) {
            if matches!(first[0], Item::Literal(_) | Item::Group(..) | Item::Told(..)) {
                self.enter(&[first, &again[..], rest].concat());
            }
        }
        if passes {
            self.enter(rest);
        }
    }
}
