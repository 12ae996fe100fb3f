//! Regular expressions in patterns, behind `~(E)` and `~(G)`: the same items as of the patterns of the shell, for both
//! look for the longest match of the leftmost ones (POSIX XBD 9; observed in ksh93u+m).

use crate::expand::pattern::compile::{Compiler, MAX_OPEN, group_of};
use crate::expand::pattern::escapes::{Escape, Place};
use crate::expand::pattern::{Item, Repeat};

impl Compiler<'_> {
    /// The items of the regular expression that begins here, up to the parenthesis that ends it or to the end of
    /// the pattern.
    pub(super) fn expression(&mut self, basic: bool) -> Vec<Item> {
        let mut alternatives = self.branches(basic);
        match alternatives.len() {
            1 => alternatives.swap_remove(0),
            _ => vec![Item::Group(Repeat::Once, alternatives)],
        }
    }

    /// What stands between bars, up to the same place.
    fn branches(&mut self, basic: bool) -> Vec<Vec<Item>> {
        let mut alternatives = Vec::new();
        loop {
            let mut branch = Compiler { items: Vec::new(), ..*self };
            branch.branch(basic);
            self.at = branch.at;
            alternatives.push(branch.items);
            match self.sign(basic) {
                Some((b'|', length)) => self.at += length,
                _ => return alternatives,
            }
        }
    }

    /// The sign here that groups, repeats or separates, and its length: in a basic expression such signs stand
    /// behind a backslash.
    fn sign(&self, basic: bool) -> Option<(u8, usize)> {
        let is_sign = |byte: &u8| b"(){}|+?".contains(byte);
        let byte = self.active(self.at)??;
        match basic {
            true if byte == b'\\' => {
                let behind = self.active(self.at + 1)??;
                Some((behind, 2)).filter(|(byte, _)| is_sign(byte))
            }
            true => None,
            false => Some((byte, 1)).filter(|(byte, _)| is_sign(byte)),
        }
    }

    /// What stands between two bars.
    fn branch(&mut self, basic: bool) {
        while self.at < self.bytes.len() {
            let byte = self.bytes[self.at];
            if self.quoted[self.at] {
                self.literal(byte);
                continue;
            }
            match self.sign(basic) {
                Some((b'|', _)) => return,
                // The parenthesis that ends the group around it, or stands for itself.
                Some((b')', _)) if self.open > 0 => return,
                Some((b'(', length)) if self.open < MAX_OPEN => {
                    self.at += length;
                    self.grouped(basic);
                    continue;
                }
                Some((sign @ (b'+' | b'?' | b'{'), length)) if !self.items.is_empty() => {
                    match self.times(sign, length, basic) {
                        Some(times) => self.repeated(times),
                        None => self.literal(byte),
                    }
                    continue;
                }
                _ => {}
            }
            match byte {
                b')' if self.open > 0 && basic => return,
                b'*' if !self.items.is_empty() => {
                    self.at += 1;
                    self.repeated(Repeat::Any);
                }
                b'.' => self.take(Item::Any),
                b'^' => self.take(Item::Place(Place::Start)),
                b'$' => self.take(Item::Place(Place::End)),
                b'[' => self.set(),
                b'\\' => match self.letter_escape(self.at) {
                    Some((escape, length)) => {
                        self.at += 1 + length;
                        self.escape(escape);
                    }
                    None if self.at + 1 < self.bytes.len() => {
                        self.at += 1;
                        self.behind_backslash();
                    }
                    None => self.literal(byte),
                },
                _ => self.literal(byte),
            }
        }
    }

    fn take(&mut self, item: Item) {
        self.at += 1;
        self.items.push(item);
    }

    /// What a backslash stands before, where no letter of the shell's own patterns does.
    fn behind_backslash(&mut self) {
        let place = match self.bytes[self.at] {
            b'<' => Place::WordStart,
            b'>' => Place::WordEnd,
            byte => return self.literal(byte),
        };
        self.at += 1;
        self.escape(Escape::Place(place));
    }

    /// The group behind a parenthesis, which is told unless `?:` begins it.
    fn grouped(&mut self, basic: bool) {
        let told = self.bytes[self.at..].strip_prefix(b"?:").is_none();
        if !told {
            self.at += 2;
        }
        let number = if told { self.number_of_group() } else { None };
        let mut inner = Compiler { items: Vec::new(), open: self.open + 1, ..*self };
        let alternatives = inner.branches(basic);
        self.at = inner.at + inner.sign(basic).map_or(0, |(_, length)| length);
        self.items.push(group_of(Repeat::Once, alternatives, number));
    }

    /// How often the item before comes, as the sign here says; nothing if braces hold no numbers.
    fn times(&mut self, sign: u8, length: usize, basic: bool) -> Option<Repeat> {
        if sign != b'{' {
            self.at += length;
            return Some(if sign == b'+' { Repeat::Some } else { Repeat::Maybe });
        }
        let start = self.at + length;
        let closer: &[u8] = if basic { b"\\}" } else { b"}" };
        let inside = &self.bytes[start..];
        let end = inside.windows(closer.len()).position(|bytes| bytes == closer)?;
        let text = std::str::from_utf8(&inside[..end]).ok()?;
        let (least, most) = text.split_once(',').unwrap_or((text, text));
        let least = if least.is_empty() { 0 } else { least.parse().ok()? };
        let most = if most.is_empty() { None } else { Some(most.parse().ok()?) };
        self.at = start + end + closer.len();
        Some(Repeat::Times(least, most))
    }

    /// Repeats the item before. A question mark behind says that it comes as rarely as it can, which tells nothing
    /// of whether there is a match.
    fn repeated(&mut self, times: Repeat) {
        if self.active(self.at) == Some(Some(b'?')) {
            self.at += 1;
        }
        let Some(item) = self.last_character() else { return };
        self.items.push(Item::Group(times, vec![vec![item]]));
    }
}
