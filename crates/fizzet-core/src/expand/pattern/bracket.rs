//! Bracket expressions, read as each shell reads them.
//!
//! Most end where they end for every character. Where something inside is not closed, some shells look for
//! the end again behind the part that has matched, and find another one (`bracket_ends`): then the pattern
//! goes on in several ways.

use crate::dialect::{BracketMistake, Brackets, ClassInRange, ClassNames, Equivalents, Symbols};
use crate::expand::pattern::bracket_ends::MAX_SKIPPED;
use crate::expand::pattern::class::{Class, Member, Set, VariableClasses};
use crate::expand::pattern::compile::Compiler;
use crate::expand::pattern::symbols;
use crate::text::next_character;

/// What becomes of a character that has matched a part of the expression, or none.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Outcome {
    /// The expression ends before this byte.
    End(usize),
    /// Nothing matches.
    Fails,
    /// The first bracket stands for itself.
    Opener,
    /// The whole pattern is a text.
    Spoils,
}

/// A bracket expression.
pub(super) struct Bracket {
    negated: bool,
    /// What is listed, in order, and what becomes of what matches that.
    parts: Vec<(Member, Outcome)>,
    /// What becomes of a character that is not listed.
    rest: Outcome,
}

/// One way in which a pattern goes on behind its bracket.
pub(super) enum Way {
    /// With one of these characters, and what stands from that byte on.
    Set(Set, usize),
    /// With the bracket itself.
    Opener,
}

impl Bracket {
    /// Where it ends, whatever it matches.
    pub(super) fn end(&self) -> Option<usize> {
        let ends = std::iter::once(self.rest).chain(self.parts.iter().map(|part| part.1));
        ends.filter_map(|outcome| match outcome {
            Outcome::End(end) => Some(end),
            _ => None,
        })
        .next()
    }

    /// Whether it makes the whole pattern a text.
    pub(super) fn spoils(&self) -> bool {
        self.rest == Outcome::Spoils
    }

    /// The ways in which the pattern goes on; of an expression that is well written there is one.
    pub(super) fn ways(self, wide: bool, folds_case: bool) -> Vec<Way> {
        let set = |negated, members, except| Set { negated, except, wide, folds_case, members };
        if let Outcome::End(end) = self.rest
            && self.parts.iter().all(|part| part.1 == self.rest)
        {
            let members = self.parts.into_iter().map(|part| part.0).collect();
            return vec![Way::Set(set(self.negated, members, Vec::new()), end)];
        }
        let (mut ways, mut before) = (Vec::new(), Vec::new());
        for same in self.parts.chunk_by(|a, b| a.1 == b.1) {
            let members: Vec<Member> = same.iter().map(|part| part.0).collect();
            let matched = set(false, members.clone(), before.clone());
            match same[0].1 {
                Outcome::End(end) if !self.negated => ways.push(Way::Set(matched, end)),
                Outcome::Opener if matched.holds(u32::from(b'[')) => ways.push(Way::Opener),
                _ => {}
            }
            before.extend(members);
        }
        let unlisted = set(true, before, Vec::new());
        match self.rest {
            Outcome::End(end) if self.negated => ways.push(Way::Set(unlisted, end)),
            Outcome::Opener if unlisted.holds(u32::from(b'[')) => ways.push(Way::Opener),
            _ => {}
        }
        ways
    }
}

/// What begins at a place inside.
pub(super) enum Inside {
    /// A character that stands for itself.
    Plain,
    /// A class, and where it ends.
    Class(Class, usize),
    /// An equivalence class, and where it ends.
    Equivalent(Member, usize),
    /// A character by its name, if there is one, and where that ends.
    Symbol(Option<u32>, usize),
    /// A mistake, and where it ends.
    Mistake(BracketMistake, usize),
}

/// The bracket expression at the place of a compiler while it is read.
pub(super) struct Reader<'a> {
    pub(super) from: &'a Compiler<'a>,
    pub(super) brackets: &'static Brackets,
    at: usize,
    /// A closer before this place is a member.
    first: usize,
    /// Whether a class, or what is like one, has come.
    behind_class: bool,
    /// Whether an unquoted dash has.
    has_dash: bool,
    /// What is listed, and where the search for the end begins behind it.
    pub(super) parts: Vec<(Member, usize)>,
}

impl Compiler<'_> {
    /// The bracket expression whose first bracket stands here.
    pub(super) fn bracket(&self) -> Bracket {
        let brackets = self.rules.brackets;
        let sign = self.active(self.at + 1).flatten();
        let negated = sign == Some(b'!') || (sign == Some(b'^') && self.rules.caret_negates);
        let at = self.at + 1 + usize::from(negated);
        let is_lost = self.bytes.len() - self.at > MAX_SKIPPED && !self.closes_behind(at);
        if is_lost || self.is_tired() {
            // Nothing closes it: what is in it need not be read, and many of them cost nothing.
            let spoils = brackets.open == BracketMistake::Spoils;
            let rest = if spoils { Outcome::Spoils } else { Outcome::Opener };
            return Bracket { negated, parts: Vec::new(), rest };
        }
        let is_empty = brackets.empty_sets && self.closes_last(at);
        let first = if is_empty { at } else { at + 1 };
        let parts = Vec::new();
        let mut reader =
            Reader { from: self, brackets, at, first, behind_class: false, has_dash: false, parts };
        let rest = reader.read();
        if !matches!(rest, Outcome::End(_)) {
            self.read_in_vain(reader.at - self.at);
        }
        reader.mend(at, negated);
        let parts = reader.with_outcomes(rest, negated);
        Bracket { negated, parts, rest }
    }

    /// Whether a bracket stands at a place, and no other behind it.
    fn closes_last(&self, at: usize) -> bool {
        let closes = |at: usize| self.active(at).flatten() == Some(b']');
        closes(at) && !(at + 1..self.bytes.len()).any(closes)
    }
}

impl Reader<'_> {
    /// Reads up to the end; answers what becomes of a character that is not listed.
    fn read(&mut self) -> Outcome {
        loop {
            let Some(byte) = self.from.active(self.at) else {
                return self.mistaken(self.brackets.open).unwrap_or(Outcome::Opener);
            };
            if byte == Some(b']') && self.at >= self.first {
                return Outcome::End(self.at + 1);
            }
            if let Some((escape, length)) = self.from.letter_escape(self.at) {
                self.at += 1 + length;
                self.list(escape.member());
                continue;
            }
            if let Err(outcome) = self.part() {
                return outcome;
            }
        }
    }

    /// Reads one part of the list.
    fn part(&mut self) -> Result<(), Outcome> {
        match self.inside(self.at) {
            Inside::Plain => {
                let (code, end) = self.character(self.at);
                self.range(Some(code), end)
            }
            Inside::Symbol(code, end) => {
                self.behind_class = true;
                self.range(code, end)
            }
            Inside::Class(class, end) => {
                self.class_listed(Member::Class(class), end);
                Ok(())
            }
            Inside::Equivalent(member, end) => {
                self.class_listed(member, end);
                if self.brackets.equivalents == Equivalents::HidesCloser {
                    self.first = end + 1;
                }
                Ok(())
            }
            Inside::Mistake(BracketMistake::Dropped, _) => {
                self.at += 1;
                Ok(())
            }
            Inside::Mistake(BracketMistake::Empty, end) => {
                self.at = end;
                Ok(())
            }
            Inside::Mistake(mistake, _) => match self.mistaken(mistake) {
                Some(outcome) => Err(outcome),
                None => {
                    let (code, end) = self.character(self.at);
                    self.range(Some(code), end)
                }
            },
        }
    }

    /// Lists a class. A dash behind it is dropped where classes stand in ranges.
    fn class_listed(&mut self, member: Member, end: usize) {
        self.at = end;
        self.list(Some(member));
        self.behind_class = true;
        if self.brackets.class_in_range == ClassInRange::DropsDash {
            while self.is_range(self.at) {
                self.at += 1;
            }
        }
    }

    /// Lists a character, or the range that it begins.
    fn range(&mut self, mut low: Option<u32>, end: usize) -> Result<(), Outcome> {
        self.has_dash |= [self.at, end].map(|at| self.from.active(at)).contains(&Some(Some(b'-')));
        self.at = end;
        if !self.is_range(end) {
            self.list(low.map(|low| Member::Range(low, low)));
            return Ok(());
        }
        while self.is_range(self.at) {
            let (high, end) = match self.inside(self.at + 1) {
                _ if self.at + 1 == self.from.bytes.len() => {
                    return Err(self.mistaken(self.brackets.open_range).unwrap_or(Outcome::Opener));
                }
                Inside::Symbol(code, end) => (code, end),
                Inside::Mistake(mistake, _)
                    if mistake != BracketMistake::Empty && self.minds_at_end() =>
                {
                    match self.mistaken(mistake) {
                        Some(outcome) => return Err(outcome),
                        None => self.character_as_end(),
                    }
                }
                Inside::Equivalent(..)
                    if self.brackets.equivalents == Equivalents::UpToAlphanumeric =>
                {
                    return Err(Outcome::Spoils);
                }
                Inside::Class(..) | Inside::Mistake(BracketMistake::Empty, _)
                    if self.brackets.class_in_range != ClassInRange::Text =>
                {
                    self.at += 1;
                    if self.brackets.class_in_range == ClassInRange::Apart {
                        let dash = Some(u32::from(b'-'));
                        let apart = [low, dash].into_iter().flatten();
                        apart.for_each(|code| self.list(Some(Member::Range(code, code))));
                    }
                    return Ok(());
                }
                _ => self.character_as_end(),
            };
            self.at = end;
            let chain = self.brackets.ranges_chain;
            self.list(low.zip(high).map(|(low, high)| match chain {
                true => Member::Range(if low > high { high } else { low }, high),
                false => Member::Range(low, high),
            }));
            if !chain {
                break;
            }
            low = high;
        }
        Ok(())
    }

    fn character_as_end(&self) -> (Option<u32>, usize) {
        let (code, end) = self.character(self.at + 1);
        (Some(code), end)
    }

    /// Whether a mistake at the end of a range counts: not that of a class which is text there.
    fn minds_at_end(&self) -> bool {
        let sign = self.from.bytes.get(self.at + 2);
        sign == Some(&b'.') || self.brackets.class_in_range != ClassInRange::Text
    }

    /// Whether a dash at a place makes a range.
    fn is_range(&self, at: usize) -> bool {
        let open_counts = self.brackets.open_range != BracketMistake::Opener;
        let quoted_too =
            self.behind_class && self.brackets.class_in_range == ClassInRange::DropsDash;
        let is_dash = match self.from.active(at) {
            Some(Some(byte)) => byte == b'-',
            _ => quoted_too && self.from.bytes.get(at) == Some(&b'-'),
        };
        is_dash
            && match self.from.active(at + 1) {
                Some(next) => next != Some(b']'),
                None => open_counts,
            }
    }

    /// What a closer that stands first, and quoted signs, are where the shell tells lists of mere characters from
    /// others.
    fn mend(&mut self, start: usize, negated: bool) {
        let mere = !self.behind_class && !self.has_dash;
        if self.brackets.quoted_sign_shows_backslash && mere && !negated {
            let bytes = &self.from.bytes[start..self.at];
            let quoted = &self.from.quoted[start..self.at];
            if bytes.iter().zip(quoted).any(|(&byte, &quoted)| quoted && byte == b'!') {
                self.list(Some(Member::Range(b'\\'.into(), b'\\'.into())));
            }
        }
        let closes = self.from.active(start).flatten() == Some(b']');
        if !self.brackets.first_closer_vanishes || !closes || (mere && !negated) {
            return;
        }
        let closer = u32::from(b']');
        match self.parts.first_mut() {
            Some((Member::Range(low, high), _)) if (*low, *high) == (closer, closer) => {
                self.parts.remove(0);
            }
            Some((Member::Range(low, _), _)) if *low == closer => *low = 0,
            _ => {}
        }
    }

    /// Lists a part; the search for the end goes on here.
    fn list(&mut self, member: Option<Member>) {
        self.parts.extend(member.map(|member| (member, self.at)));
    }

    /// What a mistake makes of characters that are not listed; `None` if it makes text.
    fn mistaken(&self, mistake: BracketMistake) -> Option<Outcome> {
        match mistake {
            BracketMistake::Text | BracketMistake::Dropped | BracketMistake::Empty => None,
            BracketMistake::Fails => Some(Outcome::Fails),
            BracketMistake::Opener => Some(Outcome::Opener),
            BracketMistake::Spoils => Some(Outcome::Spoils),
        }
    }

    /// The character at a place, behind a backslash if one escapes it, and where it ends.
    fn character(&self, at: usize) -> (u32, usize) {
        let Compiler { bytes, rules, .. } = self.from;
        let escaped = rules.backslash_escapes
            && self.from.active(at).flatten() == Some(b'\\')
            && at + 1 < bytes.len();
        let at = at + usize::from(escaped);
        match next_character(&bytes[at..], rules.wide_brackets) {
            Some((code, length)) => (code, at + length),
            None => (0, bytes.len()),
        }
    }

    fn inside(&self, at: usize) -> Inside {
        if self.from.active(at).flatten() != Some(b'[') {
            return Inside::Plain;
        }
        match self.from.active(at + 1).flatten() {
            Some(b':') => self.class(at),
            Some(b'.') if self.brackets.symbols != Symbols::None => self.symbol(at, b'.'),
            Some(b'=') => self.equivalent(at),
            _ => Inside::Plain,
        }
    }

    /// `[:class:]`, at its bracket.
    pub(super) fn class(&self, at: usize) -> Inside {
        let (open, unknown) = (self.brackets.open_class, self.brackets.unknown_class);
        let rest = &self.from.bytes[at + 2..];
        let name = match self.brackets.names {
            ClassNames::FirstPair => self.closed(at, b':'),
            ClassNames::FirstColon => rest
                .iter()
                .position(|&byte| byte == b':')
                .filter(|end| rest.get(end + 1) == Some(&b']'))
                .map(|end| &rest[..end]),
            ClassNames::Letters => self
                .closed(at, b':')
                .filter(|name| name.iter().all(|byte| (b'a'..=b'y').contains(byte))),
            ClassNames::Known => {
                let name = self.closed(at, b':');
                let known =
                    name.filter(|name| Class::named(name, &[], VariableClasses::NONE).is_some());
                if known.is_none() {
                    return Inside::Mistake(unknown, at);
                }
                known
            }
        };
        let Some(name) = name else { return Inside::Mistake(open, at) };
        let end = at + name.len() + 4;
        match Class::named(name, self.brackets.more_classes, self.from.rules.variable_classes) {
            Some(class) => Inside::Class(class, end),
            None => Inside::Mistake(unknown, end),
        }
    }

    /// `[.name.]`, or what counts as one, at its bracket.
    fn symbol(&self, at: usize, sign: u8) -> Inside {
        let Some(name) = self.closed(at, sign) else {
            return Inside::Mistake(self.brackets.open_symbol, at);
        };
        let end = at + name.len() + 4;
        // A quoted character is two characters, but not where quotes are taken away before names are compared.
        let is_bare = self.brackets.symbols == Symbols::Ascii
            || !self.from.quoted[at + 2..at + 2 + name.len()].contains(&true);
        let one = next_character(name, self.from.rules.wide_brackets)
            .filter(|&(_, length)| length == name.len() && is_bare)
            .map(|(code, _)| code);
        let code = match self.brackets.symbols {
            Symbols::None | Symbols::Characters => one,
            Symbols::Ascii => one.filter(|&code| code < 128),
            Symbols::Names => one.or_else(|| symbols::symbol(name)),
        };
        match self.brackets.unknown_symbol {
            BracketMistake::Empty => Inside::Symbol(code, end),
            mistake => {
                code.map_or(Inside::Mistake(mistake, end), |code| Inside::Symbol(Some(code), end))
            }
        }
    }

    /// `[=c=]`, at its bracket.
    pub(super) fn equivalent(&self, at: usize) -> Inside {
        let alone = || {
            let (code, length) =
                next_character(&self.from.bytes[at + 2..], self.from.rules.wide_brackets)?;
            let end = at + 2 + length;
            let closes = self.from.bytes.get(end..end + 2) == Some(b"=]");
            closes.then_some((code, end + 2))
        };
        match self.brackets.equivalents {
            Equivalents::None => Inside::Plain,
            Equivalents::AsSymbol => self.symbol(at, b'='),
            Equivalents::Itself | Equivalents::HidesCloser => match alone() {
                Some((code, end)) => Inside::Equivalent(Member::Range(code, code), end),
                None => Inside::Plain,
            },
            Equivalents::UpToAlphanumeric => match alone() {
                Some((code, end)) => Inside::Equivalent(up_to_alphanumeric(code), end),
                None => Inside::Mistake(self.brackets.open_symbol, at),
            },
        }
    }

    /// The text up to the sign and the bracket that close what begins at a place.
    pub(super) fn closed(&self, at: usize, sign: u8) -> Option<&[u8]> {
        if self.from.is_tired() {
            return None;
        }
        let rest = &self.from.bytes[at + 2..];
        let end = rest.windows(2).position(|two| two == [sign, b']']);
        if end.is_none() {
            self.from.read_in_vain(rest.len());
        }
        Some(&rest[..end?])
    }
}

/// The characters from one up to the next letter or digit (observed in ksh93u+m: `[[=[=]]` holds ``Z[\]^_` ``).
fn up_to_alphanumeric(code: u32) -> Member {
    let stretches = [(b'9', b'@'), (b'Z', b'`')];
    let of = |&&(low, high): &&(u8, u8)| (u32::from(low)..=u32::from(high)).contains(&code);
    match stretches.iter().find(of) {
        Some(&(low, high)) => Member::Range(low.into(), high.into()),
        None if code >= u32::from(b'z') => Member::Range(b'z'.into(), u32::MAX),
        None => Member::Range(code, code),
    }
}
