//! Pattern text to items.

use std::cell::Cell;

use crate::dialect::OpenGroups;
use crate::expand::pattern::bracket::Way;
use crate::expand::pattern::class::{Member, Set};
use crate::expand::pattern::escapes::{self, Escape, Place};
use crate::expand::pattern::range::{range, range_length};
use crate::expand::pattern::{Item, PatternRules, Repeat};

/// A group, which tells what it has matched if it has a number: of what comes often the last, of what does not come
/// nothing.
pub(super) fn group_of(kind: Repeat, alternatives: Vec<Vec<Item>>, number: Option<u8>) -> Item {
    let Some(number) = number.filter(|_| kind != Repeat::Not) else {
        return Item::Group(kind, alternatives);
    };
    let told = Item::Told(number, Box::new(Item::Group(Repeat::Once, alternatives)));
    match kind {
        Repeat::Once => told,
        kind => Item::Group(kind, vec![vec![told]]),
    }
}

/// What a pattern tells of each of its matches (zshexpn, "Globbing Flags").
#[derive(Clone, Copy, PartialEq, Eq, Default, Debug)]
pub(in crate::expand) struct Told {
    /// How many groups, behind `(#b)`.
    pub(in crate::expand) groups: u8,
    /// What matches as a whole, behind `(#m)`.
    pub(in crate::expand) whole: bool,
    /// Whether it is a regular expression, which may begin and end anywhere in a text.
    pub(super) loose: bool,
    /// Whether it matches as little as it can.
    pub(super) rarely: bool,
    /// Whether it ends in a text that begins where a group does not end, and no search finds it.
    pub(super) ends_as_text: bool,
    /// Whether a group in it comes as rarely as it can.
    pub(super) comes_rarely: bool,
    /// How many bytes have been read for bracket expressions that are none.
    pub(super) in_vain: usize,
}

/// How many groups are told.
const MAX_TOLD: u8 = 9;

/// How many brackets of a pattern may end in several places.
const MAX_FORKS: u8 = 6;

/// How many bytes are read in vain for bracket expressions before a pattern has no more of them.
const MAX_IN_VAIN: usize = 1 << 22;

/// The deepest nesting of groups that is read as groups.
pub(super) const MAX_OPEN: u32 = 64;

pub(super) struct Compiler<'a> {
    pub(super) bytes: &'a [u8],
    pub(super) quoted: &'a [bool],
    pub(super) rules: PatternRules,
    pub(super) at: usize,
    pub(super) items: Vec<Item>,
    /// Groups that are open; inside one a bar or a closer ends an alternative.
    pub(super) open: u32,
    /// How many brackets before this place end in several places.
    pub(super) forks: u8,
    /// Where the last closing bracket stands.
    pub(super) last_closer: Option<usize>,
    /// How letters compare from here on.
    pub(super) letters: Letters,
    /// Whether what is matched has to end where the text does.
    pub(super) ends_text: bool,
    /// Whether groups that open from here on are told.
    pub(super) tells_groups: bool,
    /// What the pattern tells of its matches.
    pub(super) told: &'a Cell<Told>,
}

/// How the letters of a pattern compare.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum Letters {
    /// As they are written, or as the rules of the whole pattern say.
    Written,
    /// `(#i)`: capital and small ones are the same.
    Same,
    /// `(#l)`: small ones stand for capital ones too.
    SmallForBoth,
}

/// Where a group ends.
#[derive(Clone, Copy, PartialEq, Eq)]
enum GroupEnd {
    /// None opens here.
    NoGroup,
    /// Behind its parenthesis.
    At(usize),
    /// Nothing closes it.
    Nowhere,
}

/// What stands in `(#...)`.
enum Flag {
    /// A place between characters.
    Place(Place),
    /// How often the item before comes: at least, and at most.
    Times(u32, Option<u32>),
    /// Letters that say how the rest of this group is matched, and what is told of it.
    Modes(Vec<u8>),
}

impl<'a> Compiler<'a> {
    pub(super) fn new(
        bytes: &'a [u8],
        quoted: &'a [bool],
        rules: PatternRules,
        told: &'a Cell<Told>,
    ) -> Compiler<'a> {
        let (items, letters) = (Vec::new(), Letters::Written);
        Compiler {
            bytes,
            quoted,
            rules,
            at: 0,
            items,
            open: 0,
            forks: 0,
            last_closer: bytes.iter().rposition(|&byte| byte == b']'),
            letters,
            ends_text: false,
            tells_groups: false,
            told,
        }
    }
}

impl Compiler<'_> {
    /// Whether the `~` at the place excludes something: one that nothing follows stands for itself.
    fn excludes(&self) -> bool {
        let next = self.at + 1;
        let ends = |&byte: &u8| matches!(byte, b'|' | b')' | b'~');
        match self.bytes.get(next) {
            None => false,
            Some(byte) => self.quoted[next] || !ends(byte),
        }
    }

    pub(super) fn compile(&mut self) {
        while self.at < self.bytes.len() {
            let byte = self.bytes[self.at];
            if self.quoted[self.at] {
                self.literal(byte);
                continue;
            }
            if let Some((flag, end)) = self.flag() {
                self.at = end;
                self.carry_out(flag);
                continue;
            }
            if byte == b'~'
                && let Some((options, end)) = self.options()
            {
                self.at = end;
                self.take_options(&options);
                continue;
            }
            // What is inside a group that is closed is closed as well.
            let begins_text = self.rules.open_groups == OpenGroups::BeginText && self.open == 0;
            if begins_text && self.end_of_group() == GroupEnd::Nowhere {
                self.rest_is_text();
                continue;
            }
            if let Some((group, end)) = self.group() {
                self.at = end;
                self.items.push(group);
                continue;
            }
            match byte {
                b'|' | b')' if self.open > 0 => return,
                b'^' if self.rules.operators => self.negation(),
                b'#' if self.rules.operators && !self.items.is_empty() => self.repetition(),
                b'~' if self.rules.operators && self.at > 0 && self.excludes() => {
                    self.except();
                    return;
                }
                b'*' => {
                    self.at += 1;
                    if !matches!(self.items.last(), Some(Item::Star)) {
                        self.items.push(Item::Star);
                    }
                }
                b'?' => {
                    self.at += 1;
                    self.items.push(Item::Any);
                }
                b'<' if let Some((range, end)) = self.range() => {
                    self.at = end;
                    self.items.push(range);
                }
                b'[' if let Some(place) = self.word_place() => {
                    self.at += b"[[:<:]]".len();
                    self.items.push(Item::Place(place));
                }
                b'[' => self.set(),
                b'\\' if let Some((escape, length)) = self.letter_escape(self.at) => {
                    self.at += 1 + length;
                    self.escape(escape);
                }
                b'\\' if self.escapes_next() => {
                    self.at += 1;
                    self.literal(self.bytes[self.at]);
                }
                b'\\' if self.rules.backslash_escapes && !self.rules.last_backslash_matches => {
                    self.at += 1;
                    self.items.push(Item::Set(Set::NOTHING));
                }
                _ => self.literal(byte),
            }
        }
    }

    /// `[[:<:]]` and `[[:>:]]`: the places where a word begins and ends.
    fn word_place(&self) -> Option<Place> {
        if !self.rules.word_places {
            return None;
        }
        match self.bytes.get(self.at..self.at + b"[[:<:]]".len())? {
            b"[[:<:]]" => Some(Place::WordStart),
            b"[[:>:]]" => Some(Place::WordEnd),
            _ => None,
        }
    }

    /// The backslash and the letter at a place, where that means something.
    pub(super) fn letter_escape(&self, at: usize) -> Option<(Escape, usize)> {
        if !self.rules.letter_escapes || self.active(at)? != Some(b'\\') {
            return None;
        }
        let end = at + 1 + self.quoted.get(at + 1..)?.iter().take_while(|quoted| !**quoted).count();
        escapes::read(&self.bytes[at + 1..end])
    }

    pub(super) fn escape(&mut self, escape: Escape) {
        let folds_case = self.rules.folds_case;
        let set =
            |negated, members| Item::Set(Set { negated, folds_case, members, ..Set::NOTHING });
        self.items.push(match escape {
            Escape::Place(place) => Item::Place(place),
            Escape::Class(class, negated) => set(negated, vec![Member::Class(class)]),
            Escape::Character(code) => set(false, vec![Member::Range(code, code)]),
            Escape::Nothing => set(false, Vec::new()),
        });
    }

    /// Whether the backslash here escapes what follows.
    fn escapes_next(&self) -> bool {
        let special = |byte: &u8| b"*?[]()|<>^#~\\".contains(byte);
        let next = self.bytes.get(self.at + 1);
        self.rules.backslash_escapes
            && next.is_some_and(|byte| !self.rules.backslash_needs_special || special(byte))
    }

    /// `<1-9>`, unquoted.
    fn range(&self) -> Option<(Item, usize)> {
        let length = range_length(&self.bytes[self.at..]).filter(|_| self.rules.ranges)?;
        let end = self.at + length;
        let quoted = self.quoted[self.at..end].contains(&true);
        (!quoted).then(|| range(&self.bytes[self.at..end])).flatten().map(|item| (item, end))
    }

    /// What the shell that looks for it finds of the end of a group that opens here. One that a bracket inside it
    /// hides is not found.
    fn end_of_group(&self) -> GroupEnd {
        let opens = self.rules.groups
            && self.rules.open_groups != OpenGroups::ArePatterns
            && Repeat::of(self.bytes[self.at]).is_some()
            && self.active(self.at + 1).flatten() == Some(b'(');
        if !opens {
            return GroupEnd::NoGroup;
        }
        let mut inner = Compiler { items: Vec::new(), at: self.at + 2, ..*self };
        let mut open = 1;
        while inner.at < inner.bytes.len() && open > 0 {
            match inner.bytes[inner.at] {
                _ if inner.quoted[inner.at] => {}
                b'[' => match inner.bracket().end() {
                    Some(end) => {
                        inner.at = end;
                        continue;
                    }
                    None if self.rules.open_groups == OpenGroups::UndoAll => {}
                    None => return GroupEnd::Nowhere,
                },
                b'\\' => inner.at += 1,
                b'(' => open += 1,
                b')' => open -= 1,
                _ => {}
            }
            inner.at += 1;
        }
        if open > 0 { GroupEnd::Nowhere } else { GroupEnd::At(inner.at) }
    }

    /// Whether a group that nothing closes makes the whole pattern a text.
    pub(super) fn is_text(&mut self) -> bool {
        let begins = |byte: &u8| matches!(byte, b'(' | b'[');
        if !self.bytes.iter().any(begins) {
            return false;
        }
        match self.rules.open_groups {
            OpenGroups::MakeText => {}
            OpenGroups::UndoAll if self.parentheses_pair() => {}
            OpenGroups::UndoAll => {
                // A backslash of a value stands for itself then.
                (self.rules.groups, self.rules.backslash_escapes) = (false, false);
                return false;
            }
            OpenGroups::ArePatterns | OpenGroups::BeginText => return false,
        }
        let start = self.at;
        let mut found = false;
        while self.at < self.bytes.len() && !found {
            let step = match self.bytes[self.at] {
                _ if self.quoted[self.at] => 1,
                b'\\' => 2,
                b'[' => {
                    let bracket = self.bracket();
                    found = bracket.spoils() && self.rules.open_groups == OpenGroups::MakeText;
                    bracket.end().map_or(1, |end| end - self.at)
                }
                _ => match self.end_of_group() {
                    GroupEnd::NoGroup => 1,
                    GroupEnd::At(end) => end - self.at,
                    GroupEnd::Nowhere => {
                        found = true;
                        0
                    }
                },
            };
            self.at += step;
        }
        self.at = start;
        found
    }

    /// Whether as many unquoted parentheses open from the first group on as close.
    fn parentheses_pair(&self) -> bool {
        let is_opener = |at: &usize| {
            Repeat::of(self.bytes[*at]).is_some() && self.active(at + 1).flatten() == Some(b'(')
        };
        let Some(first) = (self.at..self.bytes.len()).find(is_opener) else { return true };
        let unquoted = (first..self.bytes.len()).filter(|&at| !self.quoted[at]);
        let open: i64 = unquoted
            .map(|at| match self.bytes[at] {
                b'(' => 1,
                b')' => -1,
                _ => 0,
            })
            .sum();
        open == 0
    }

    /// Takes what is left as the shell has it when it matches: with backslashes before quoted characters.
    pub(super) fn rest_is_text(&mut self) {
        // A search looks for the pattern with a star behind it, if it has none there.
        let begins = self.rules.open_groups == OpenGroups::BeginText;
        let ends_as_text = begins && self.bytes.last() != Some(&b'*');
        self.told.set(Told { ends_as_text, ..self.told.get() });
        while let Some(&byte) = self.bytes.get(self.at) {
            if self.quoted[self.at] {
                self.literal(b'\\');
                self.at -= 1;
            }
            self.literal(byte);
        }
    }

    /// What opens a group at this place, up to its parenthesis.
    fn group_opener(&self) -> Option<(Repeat, usize)> {
        let byte = self.bytes[self.at];
        if byte == b'(' {
            let bare = self.rules.bare_groups || (self.rules.nested_bare_groups && self.open > 0);
            return bare.then_some((Repeat::Once, 1));
        }
        if !self.rules.groups {
            return None;
        }
        let opens = |at: usize| self.active(at).flatten() == Some(b'(');
        let counted = self.rules.counted_groups;
        let (kind, length) = match Repeat::of(byte) {
            Some(kind) => (kind, 1),
            None if counted && byte == b'{' => self.count_of_group()?,
            None => return None,
        };
        let end = self.at + length;
        if opens(end) {
            return Some((kind, length + 1));
        }
        let rarely = counted && self.active(end).flatten() == Some(b'-') && opens(end + 1);
        rarely.then(|| (kind.fewest(), length + 2))
    }

    /// `{2,3}` before a group, and its length.
    fn count_of_group(&self) -> Option<(Repeat, usize)> {
        let counts = |byte: &&u8| byte.is_ascii_digit() || **byte == b',';
        let length = 1 + self.bytes[self.at + 1..].iter().take_while(counts).count();
        let closes = self.active(self.at + length).flatten() == Some(b'}');
        if !closes || self.quoted[self.at..self.at + length].contains(&true) {
            return None;
        }
        let inside = std::str::from_utf8(&self.bytes[self.at + 1..self.at + length]).ok()?;
        let number = |digits: &str| match digits.bytes().all(|byte| byte.is_ascii_digit()) {
            true if digits.is_empty() => Some(None),
            true => digits.parse().ok().map(Some),
            false => None,
        };
        let (least, most) = match inside.split_once(',') {
            Some((least, most)) => (number(least)?.unwrap_or(0), number(most)?),
            None => number(inside)?.map(|times| (times, Some(times)))?,
        };
        Some((Repeat::Times(least, most), length + 1))
    }

    /// The group `@(a|b)` at this place and where it ends; `None` if there is none.
    fn group(&self) -> Option<(Item, usize)> {
        let (kind, opener) = self.group_opener()?;
        if self.open > MAX_OPEN {
            return None;
        }
        if matches!(kind, Repeat::Fewest(..)) {
            self.told.set(Told { comes_rarely: true, ..self.told.get() });
        }
        let mut inner = Compiler { items: Vec::new(), open: self.open + 1, ..*self };
        inner.at = self.at + opener;
        let number = self.number_of_group();
        let mut alternatives = Vec::new();
        loop {
            inner.compile();
            alternatives.push(std::mem::take(&mut inner.items));
            let closer = self.active(inner.at)?;
            inner.at += 1;
            if closer == Some(b')') {
                return Some((group_of(kind, alternatives, number), inner.at));
            }
        }
    }

    /// The number of a group that opens here, from 0, if it is told.
    pub(super) fn number_of_group(&self) -> Option<u8> {
        let told = self.told.get();
        let number = told.groups;
        if !self.tells_groups || number == MAX_TOLD {
            return None;
        }
        self.told.set(Told { groups: number + 1, ..told });
        Some(number)
    }

    /// `(#s)`, `(#e)`, `(#c2,3)` and the letters of zsh, and where they end.
    fn flag(&self) -> Option<(Flag, usize)> {
        let inside = self.bytes[self.at..].strip_prefix(b"(#").filter(|_| self.rules.operators)?;
        let length = inside.iter().position(|&byte| byte == b')')?;
        let end = self.at + 2 + length + 1;
        if self.quoted[self.at..end].contains(&true) {
            return None;
        }
        let flag = match &inside[..length] {
            b"s" => Flag::Place(Place::Start),
            b"e" => Flag::Place(Place::End),
            [b'c', counts @ ..] if !self.items.is_empty() => {
                let text = std::str::from_utf8(counts).ok()?;
                let (least, most) = match text.split_once(',') {
                    Some((least, most)) => (least, most),
                    None => (text, text),
                };
                let least = if least.is_empty() { 0 } else { least.parse().ok()? };
                let most = if most.is_empty() { None } else { Some(most.parse().ok()?) };
                Flag::Times(least, most)
            }
            letters @ [_, ..] if letters.iter().all(|letter| b"ilIbBmM".contains(letter)) => {
                Flag::Modes(letters.to_vec())
            }
            _ => return None,
        };
        Some((flag, end))
    }

    fn carry_out(&mut self, flag: Flag) {
        let (least, most) = match flag {
            Flag::Place(place) => return self.items.push(Item::Place(place)),
            Flag::Times(least, most) => (least, most),
            Flag::Modes(letters) => return letters.into_iter().for_each(|one| self.mode(one)),
        };
        let Some(item) = self.last_character() else { return };
        self.items.push(Item::Group(Repeat::Times(least, most), vec![vec![item]]));
    }

    fn mode(&mut self, letter: u8) {
        let told = self.told.get();
        match letter {
            b'i' => self.letters = Letters::Same,
            b'l' => self.letters = Letters::SmallForBoth,
            b'I' => self.letters = Letters::Written,
            b'b' | b'B' => self.tells_groups = letter == b'b',
            _ => self.told.set(Told { whole: letter == b'm', ..told }),
        }
    }

    /// Takes the item before, of a text its last character.
    pub(super) fn last_character(&mut self) -> Option<Item> {
        let mut item = self.items.pop()?;
        if let Item::Literal(bytes) = &mut item
            && bytes.len() > 1
            && let Some(last) = bytes.pop()
        {
            self.items.push(item);
            item = Item::Literal(vec![last]);
        }
        Some(item)
    }

    /// `^pattern`: what the rest of this alternative does not match.
    fn negation(&mut self) {
        let mut rest = Compiler { items: Vec::new(), at: self.at + 1, ..*self };
        rest.compile();
        self.at = rest.at;
        self.items.push(Item::Group(Repeat::Not, vec![rest.items]));
    }

    /// `x#` and `x##`: any number of the item before, or at least one.
    fn repetition(&mut self) {
        let doubled = self.active(self.at + 1).flatten() == Some(b'#');
        self.at += 1 + usize::from(doubled);
        let kind = if doubled { Repeat::Some } else { Repeat::Any };
        let Some(item) = self.last_character() else { return };
        self.items.push(Item::Group(kind, vec![vec![item]]));
    }

    /// `a~b`: what a matches and b does not.
    fn except(&mut self) {
        let mut other = Compiler { items: Vec::new(), at: self.at + 1, ..*self };
        other.compile();
        self.at = other.at;
        let items = std::mem::take(&mut self.items);
        self.items.push(Item::Except(items, other.items));
    }

    /// The alternatives that unquoted bars separate; a parenthesis that closes nothing stands for itself.
    pub(super) fn alternatives(mut self) -> Vec<Vec<Item>> {
        let mut alternatives = Vec::new();
        loop {
            self.compile();
            match self.bytes.get(self.at) {
                Some(b'|') => {
                    self.at += 1;
                    alternatives.push(std::mem::take(&mut self.items));
                }
                Some(&byte) => self.literal(byte),
                None => {
                    alternatives.push(self.items);
                    return alternatives;
                }
            }
        }
    }

    /// Whether an unquoted parenthesis outside brackets is never closed.
    pub(super) fn has_open_group(mut self) -> bool {
        let mut open = 0u32;
        while self.at < self.bytes.len() {
            match self.bytes[self.at] {
                _ if self.quoted[self.at] => {}
                b'[' => {
                    if let Some(end) = self.bracket().end() {
                        self.at = end;
                        continue;
                    }
                }
                b'\\' if self.escapes_next() => self.at += 1,
                b'(' => open += 1,
                b')' => open = open.saturating_sub(1),
                _ => {}
            }
            self.at += 1;
        }
        open > 0
    }

    /// Whether a bracket expression begins somewhere and does not end.
    pub(super) fn has_open_bracket(mut self) -> bool {
        while self.at < self.bytes.len() {
            match self.bytes[self.at] {
                _ if self.quoted[self.at] => {}
                b'\\' if self.escapes_next() => self.at += 1,
                b'[' => match self.bracket().end() {
                    Some(end) => {
                        self.at = end;
                        continue;
                    }
                    None => return true,
                },
                _ => {}
            }
            self.at += 1;
        }
        false
    }

    pub(super) fn literal(&mut self, byte: u8) {
        self.at += 1;
        let by_letters = match self.letters {
            Letters::Written => self.rules.folds_case && self.rules.sets_mind_case,
            Letters::Same => !self.rules.folds_case,
            Letters::SmallForBoth => !self.rules.folds_case && byte.is_ascii_lowercase(),
        };
        if by_letters && byte.is_ascii_alphabetic() {
            let code = u32::from(byte);
            let members = vec![Member::Range(code, code)];
            self.items.push(Item::Set(Set { folds_case: true, members, ..Set::NOTHING }));
            return;
        }
        let byte = if self.rules.folds_case { byte.to_ascii_lowercase() } else { byte };
        match self.items.last_mut() {
            Some(Item::Literal(bytes)) => bytes.push(byte),
            _ => self.items.push(Item::Literal(vec![byte])),
        }
    }

    /// The bracket expression that begins here. Where it ends in several places, so does what follows.
    pub(super) fn set(&mut self) {
        let same = self.letters == Letters::Same;
        let folds_case = same || (self.rules.folds_case && !self.rules.sets_mind_case);
        let bracket = self.bracket();
        let end = bracket.end();
        let mut ways = bracket.ways(self.rules.wide_classes, folds_case);
        if self.forks == MAX_FORKS {
            ways.drain(..ways.len().saturating_sub(1));
        }
        match (ways.pop(), ways.is_empty()) {
            (Some(way), true) => self.go(way),
            (Some(last), false) => {
                ways.push(last);
                let mut alternatives = Vec::new();
                let start = self.at;
                for way in ways {
                    let items = Vec::new();
                    let mut inner = Compiler { items, at: start, forks: self.forks + 1, ..*self };
                    inner.go(way);
                    inner.compile();
                    self.at = inner.at;
                    alternatives.push(inner.items);
                }
                self.items.push(Item::Group(Repeat::Once, alternatives));
            }
            (None, _) => {
                self.at = end.unwrap_or(self.at + 1);
                self.items.push(Item::Set(Set::NOTHING));
            }
        }
    }

    /// Takes one of the ways behind a bracket.
    fn go(&mut self, way: Way) {
        match way {
            Way::Opener => self.literal(b'['),
            Way::Set(set, end) => {
                self.at = end;
                self.items.push(Item::Set(set));
            }
        }
    }

    /// Counts bytes that have been read in vain for a bracket expression.
    pub(super) fn read_in_vain(&self, count: usize) {
        let told = self.told.get();
        self.told.set(Told { in_vain: told.in_vain + count, ..told });
    }

    /// Whether so much has been read in vain that no more bracket expressions are looked for.
    pub(super) fn is_tired(&self) -> bool {
        self.told.get().in_vain > MAX_IN_VAIN
    }

    /// Whether a bracket closes at a place or behind it.
    pub(super) fn closes_behind(&self, at: usize) -> bool {
        self.last_closer.is_some_and(|last| last >= at)
    }

    /// The byte at a place if it is unquoted: `None` at the end, `Some(None)` for a quoted one.
    pub(super) fn active(&self, at: usize) -> Option<Option<u8>> {
        let &byte = self.bytes.get(at)?;
        Some((!self.quoted[at]).then_some(byte))
    }
}
