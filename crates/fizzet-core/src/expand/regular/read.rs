//! The text of a regular expression, read as regcomp of the C library reads it (observed
//! through bash 5.2 and zsh 5.9).

use std::rc::Rc;

use crate::expand::pattern::class::{Class, Member, Set, VariableClasses};
use crate::expand::pattern::escapes::{self, Escape};
use crate::expand::regular::tree::{Leaf, Place, Tree};
use crate::expand::regular::{Quoted, Rules, TooLong};
use crate::text::next_character;

/// The highest count in `{m,n}`.
const MAX_REPEAT: usize = 0x7fff;
/// What quotes take the meaning from.
const SIGNS: &[u8] = b".[\\()*+?{|^$";
/// The deepest nesting of groups.
const MAX_DEPTH: u32 = 200;
/// The most counts behind each other: `a**`.
const MAX_COUNTS: u32 = 20;
/// The longest name between `[:` and `:]`.
const MAX_NAME: usize = 31;

pub(super) struct Reader<'a> {
    pub(super) bytes: &'a [u8],
    pub(super) quoted: Quoted<'a>,
    pub(super) rules: Rules,
    at: usize,
    in_bracket: bool,
    groups: usize,
    /// The groups that are closed, which `\1` and its kin may name.
    closed: Vec<usize>,
    depth: u32,
    /// Whether a group is named.
    names_groups: bool,
    /// What there is too much of, once there is.
    excess: Option<TooLong>,
}

/// An expression that has been read.
pub(super) struct Read {
    pub(super) tree: Tree,
    pub(super) groups: usize,
    pub(super) names_groups: bool,
}

/// Reads a whole expression; nothing if it is none.
///
/// # Errors
/// There is too much of something in it.
pub(super) fn read(
    bytes: &[u8],
    quoted: Quoted<'_>,
    rules: Rules,
) -> Result<Option<Read>, TooLong> {
    let mut reader = Reader {
        bytes,
        quoted,
        rules,
        at: 0,
        in_bracket: false,
        groups: 0,
        closed: Vec::new(),
        depth: 0,
        names_groups: false,
        excess: None,
    };
    let tree = reader.alternatives();
    if let Some(excess) = reader.excess {
        return Err(excess);
    }
    let (groups, names_groups) = (reader.groups, reader.names_groups);
    let whole = tree.filter(|_| reader.at == bytes.len());
    Ok(whole.map(|tree| Read { tree, groups, names_groups }))
}

impl Reader<'_> {
    /// The byte at this place, unless it is a sign that is quoted. Nothing else can be: the digits of
    /// `a{"2"}` count.
    fn active(&self) -> Option<u8> {
        let byte = *self.bytes.get(self.at)?;
        let counts = self.quoted.marks[self.at] && !(self.in_bracket && self.quoted.bare_brackets);
        let is_sign = self.in_bracket || SIGNS.contains(&byte);
        (!counts || !is_sign).then_some(byte)
    }

    /// Gives up, as there is too much of something.
    fn exceeds<T>(&mut self, what: &'static str, limit: u32) -> Option<T> {
        self.excess = Some(TooLong { what, limit: limit.into() });
        None
    }

    fn at_end(&self) -> bool {
        self.at >= self.bytes.len()
    }

    fn alternatives(&mut self) -> Option<Tree> {
        // Each alternative may name the groups before them all, not those of another.
        let before = self.closed.clone();
        let mut ways = vec![self.row()?];
        while self.active() == Some(b'|') {
            self.at += 1;
            let others = std::mem::replace(&mut self.closed, before.clone());
            ways.push(self.row()?);
            self.closed.extend(others);
        }
        Some(if ways.len() == 1 { ways.remove(0) } else { Tree::Either(ways) })
    }

    fn row(&mut self) -> Option<Tree> {
        let mut parts = Vec::new();
        while !self.at_end() && self.active() != Some(b'|') {
            if self.depth > 0 && self.active() == Some(b')') {
                break;
            }
            let mut part = self.part()?;
            // Behind a place nothing is repeated: there the sign is a mistake of its own.
            let repeats = !matches!(part, Tree::Leaf(Leaf::Place(_))) || self.rules.is_lenient();
            let mut counts = 0;
            while repeats && let Some((least, most)) = self.count()? {
                counts += 1;
                if counts > MAX_COUNTS {
                    return self.exceeds(
                        "signs of repetition behind each other in a regular expression",
                        MAX_COUNTS,
                    );
                }
                part = part.repeated(least, most);
                if self.rules.is_lenient() {
                    self.pass_preference()?;
                }
            }
            if !part.is_nothing() {
                parts.push(part);
            }
        }
        Some(if parts.len() == 1 { parts.remove(0) } else { Tree::Row(parts) })
    }

    /// `* + ? {m,n}`: at least and at most how often.
    fn count(&mut self) -> Option<Option<(usize, Option<usize>)>> {
        let range = match self.active() {
            Some(b'*') => (0, None),
            Some(b'+') => (1, None),
            Some(b'?') => (0, Some(1)),
            Some(b'{') if !self.rules.is_lenient() => return self.interval().map(Some),
            Some(b'{') => return Some(self.interval_or_text()),
            _ => return Some(None),
        };
        self.at += 1;
        Some(Some(range))
    }

    fn interval(&mut self) -> Option<(usize, Option<usize>)> {
        self.at += 1;
        let least = self.digits();
        let most = match self.active()? {
            b',' => {
                self.at += 1;
                self.digits()
            }
            _ => Some(least?),
        };
        if self.active() != Some(b'}') {
            return None;
        }
        self.at += 1;
        let least = least.unwrap_or(0);
        let fits = most.unwrap_or(least) <= MAX_REPEAT && most.is_none_or(|most| least <= most);
        fits.then_some((least, most))
    }

    /// Passes over a `?` behind a count, which asks for as few passes as can be: whether the expression
    /// matches does not depend on it.
    fn pass_preference(&mut self) -> Option<()> {
        match self.active() {
            Some(b'?') => self.at += 1,
            Some(b'+') => return None,
            _ => {}
        }
        Some(())
    }

    /// An interval that has its first number; what is none stays where it is, as text.
    fn interval_or_text(&mut self) -> Option<(usize, Option<usize>)> {
        let start = self.at;
        let begins = self.bytes.get(start + 1) != Some(&b',');
        let interval = if begins { self.interval() } else { None };
        if interval.is_none() {
            self.at = start;
        }
        interval
    }

    fn digits(&mut self) -> Option<usize> {
        let start = self.at;
        let mut number = 0usize;
        while let Some(digit @ b'0'..=b'9') = self.active() {
            number = (number * 10 + usize::from(digit - b'0')).min(MAX_REPEAT + 1);
            self.at += 1;
        }
        (self.at > start).then_some(number)
    }

    fn part(&mut self) -> Option<Tree> {
        let leaf = match self.active() {
            Some(b'(') => return self.group(),
            Some(b'[') => return self.bracket().map(|set| Tree::Leaf(Leaf::Set(Rc::new(set)))),
            Some(b'*' | b'+' | b'?') => return None,
            Some(b'{') if !self.rules.is_lenient() || self.interval_or_text().is_some() => {
                return None;
            }
            Some(b'\\') => return self.escape().map(Tree::Leaf),
            Some(b'.') => Leaf::Any,
            Some(b'^') => Leaf::Place(Place::Start),
            Some(b'$') => Leaf::Place(Place::End),
            _ => return self.character().map(|code| Tree::Leaf(Leaf::Character(code))),
        };
        self.at += 1;
        Some(Tree::Leaf(leaf))
    }

    fn group(&mut self) -> Option<Tree> {
        self.at += 1;
        self.groups += 1;
        self.depth += 1;
        if self.depth > MAX_DEPTH {
            return self.exceeds("groups inside each other in a regular expression", MAX_DEPTH);
        }
        let number = self.groups;
        let inner = Box::new(self.alternatives()?);
        if self.active() != Some(b')') {
            return None;
        }
        self.at += 1;
        self.depth -= 1;
        self.closed.push(number);
        Some(Tree::Group(number, inner))
    }

    /// What a backslash makes of the character behind it.
    fn escape(&mut self) -> Option<Leaf> {
        self.at += 1;
        let byte = *self.bytes.get(self.at)?;
        if self.rules.is_lenient()
            && let Some((escape, length)) = escapes::read(&self.bytes[self.at..])
        {
            self.at += length;
            return Some(self.lenient_escape(escape));
        }
        let set = |class, others: &[Member], negated| {
            let mut members = vec![Member::Class(class)];
            members.extend_from_slice(others);
            Leaf::Set(Rc::new(self.rules.set(negated, members)))
        };
        let underscore = [Member::Range(u32::from(b'_'), u32::from(b'_'))];
        let leaf = match byte {
            b'w' => set(Class::Alnum, &underscore, false),
            b'W' => set(Class::Alnum, &underscore, true),
            b's' => set(Class::Space, &[], false),
            b'S' => set(Class::Space, &[], true),
            b'<' => Leaf::Place(Place::WordStart),
            b'>' => Leaf::Place(Place::WordEnd),
            b'b' => Leaf::Place(Place::WordEdge),
            b'B' => Leaf::Place(Place::NoWordEdge),
            b'`' => Leaf::Place(Place::Start),
            b'\'' => Leaf::Place(Place::End),
            b'1'..=b'9' => {
                let number = usize::from(byte - b'0');
                self.names_groups = true;
                if !self.closed.contains(&number) {
                    return None;
                }
                Leaf::Group(number)
            }
            _ => return self.character().map(Leaf::Character),
        };
        self.at += 1;
        Some(leaf)
    }

    fn lenient_escape(&self, escape: Escape) -> Leaf {
        use crate::expand::pattern::escapes::Place as Written;
        let set = |negated, members| {
            Leaf::Set(Rc::new(Set { wide: false, ..self.rules.set(negated, members) }))
        };
        match escape {
            Escape::Character(code) => Leaf::Character(code),
            Escape::Class(class, negated) => set(negated, vec![Member::Class(class)]),
            Escape::Nothing => set(false, Vec::new()),
            Escape::Place(Written::Start) => Leaf::Place(Place::Start),
            Escape::Place(Written::End) => Leaf::Place(Place::End),
            Escape::Place(Written::WordStart) => Leaf::Place(Place::WordStart),
            Escape::Place(Written::WordEnd) => Leaf::Place(Place::WordEnd),
            Escape::Place(Written::WordEdge) => Leaf::Place(Place::WordEdge),
            Escape::Place(Written::NoWordEdge) => Leaf::Place(Place::NoWordEdge),
        }
    }

    fn character(&mut self) -> Option<u32> {
        let (code, length) = next_character(&self.bytes[self.at..], self.rules.characters)?;
        self.at += length;
        Some(code)
    }

    fn bracket(&mut self) -> Option<Set> {
        self.in_bracket = true;
        let set = self.set();
        self.in_bracket = false;
        set
    }

    fn set(&mut self) -> Option<Set> {
        self.at += 1;
        let negated = self.active() == Some(b'^');
        self.at += usize::from(negated);
        let first = self.at;
        let mut members = Vec::new();
        loop {
            if self.at_end() {
                return None;
            }
            if self.active() == Some(b']') && self.at > first {
                self.at += 1;
                return Some(self.rules.set(negated, members));
            }
            let begins = self.at;
            if let Some(class) = self.named(b':')? {
                let class = Class::named(class, &[], VariableClasses::NONE)?;
                self.rules.add_class(class, &mut members);
                continue;
            }
            if let Some((member, length)) = self.escaped_member() {
                match member {
                    Member::Class(class) => self.rules.add_class(class, &mut members),
                    member => members.push(member),
                }
                self.at += length;
                continue;
            }
            // A hyphen is only itself at the very start and at the very end.
            if self.active() == Some(b'-') && begins > first && !self.ends_behind() {
                let Some(&Member::Range(_, latest)) = members.last() else { return None };
                if !self.rules.is_lenient() {
                    return None;
                }
                self.at += 1;
                let (high, _) = self.element()?;
                members.push(Member::Range(latest.min(high), high));
                continue;
            }
            let (low, may_range) = self.element()?;
            if !may_range || self.active() != Some(b'-') || self.ends_behind() {
                members.push(Member::Range(low, low));
                continue;
            }
            self.at += 1;
            if self.at_end() || self.bytes[self.at..].starts_with(b"[:") {
                return None;
            }
            let (high, may_range) = self.element()?;
            let is_strict = !self.rules.is_lenient();
            let is_wide = low > 127 || high > 127;
            if (high < low && is_strict) || !may_range || (is_wide && !self.rules.wide_ranges) {
                return None;
            }
            members.push(Member::Range(low.min(high), high));
        }
    }

    /// What a backslash between brackets adds, where it can, and the length of both.
    fn escaped_member(&self) -> Option<(Member, usize)> {
        if !self.rules.is_lenient() || self.active() != Some(b'\\') {
            return None;
        }
        let (escape, length) = escapes::read(&self.bytes[self.at + 1..])?;
        Some((escape.member()?, length + 1))
    }

    /// Whether `]` stands behind the byte at this place.
    fn ends_behind(&self) -> bool {
        self.bytes.get(self.at + 1) == Some(&b']')
    }

    /// A character between brackets, and whether a range may begin or end with it.
    fn element(&mut self) -> Option<(u32, bool)> {
        for (sign, may_range) in [(b'.', true), (b'=', false)] {
            let Rules { characters, wide_ranges, .. } = self.rules;
            if let Some(name) = self.named(sign)? {
                let (code, length) = next_character(name, characters)?;
                let is_known = wide_ranges || code < 128;
                return (length == name.len() && is_known).then_some((code, may_range));
            }
        }
        self.character().map(|code| (code, true))
    }

    /// The name in `[:name:]` or its kin.
    fn named(&mut self, sign: u8) -> Option<Option<&[u8]>> {
        let rest = &self.bytes[self.at..];
        if self.active() != Some(b'[') || rest.get(1) != Some(&sign) {
            return Some(None);
        }
        let end = rest[2..].windows(2).position(|two| two == [sign, b']'])?;
        if end > MAX_NAME {
            return None;
        }
        self.at += end + 4;
        Some(Some(&rest[2..end + 2]))
    }
}
