//! Alias substitution (POSIX XCU 2.3.1): a command word that is an alias is replaced in the text
//! before it is read.

use rustc_hash::FxHashMap;
use std::rc::Rc;

use crate::source::SourceId;
use crate::syntax::cursor::{Parser, Segment, is_meta};

/// Aliases by name.
pub type Aliases = FxHashMap<Rc<[u8]>, Alias>;

/// What an alias stands for.
#[derive(Clone, Debug)]
pub struct Alias {
    /// Its text.
    pub text: Rc<[u8]>,
    /// The source that the text became.
    pub source: SourceId,
    /// Whether it is replaced wherever it is a word, not only as a command.
    pub everywhere: bool,
}

/// Alias substitution under way.
#[derive(Default)]
pub(super) struct Substituting {
    /// The aliases that count; `None` where the shell replaces none.
    pub(super) known: Option<Rc<Aliases>>,
    /// Aliases that have been replaced, and where the text of each ends: inside it the same name is
    /// not replaced again.
    active: Vec<(Rc<[u8]>, usize)>,
    /// Where the text of an alias that ends in a blank ends: the word behind it is looked at too.
    next_word: Option<usize>,
}

impl Substituting {
    /// A start with these aliases.
    pub(super) fn of(known: Option<Rc<Aliases>>) -> Substituting {
        Substituting { known, ..Substituting::default() }
    }
}

impl Parser<'_> {
    /// The aliases that are replaced from here on.
    pub fn set_aliases(&mut self, aliases: Option<Rc<Aliases>>) {
        self.aliases.known = aliases;
    }

    /// Replaces the command word at this place as long as it is an alias; false if it is none.
    pub(super) fn replace_aliases(&mut self) -> bool {
        let mut replaced = false;
        while self.aliases.known.is_some() && self.replace_alias(false) {
            self.skip_blanks();
            replaced = true;
        }
        replaced
    }

    /// Replaces the word at this place if it stands behind an alias that ends in a blank.
    pub(super) fn replace_aliases_behind_blank(&mut self) {
        if let Some(end) = self.aliases.next_word.take_if(|end| *end <= self.pos)
            && self.text[end..self.pos].iter().all(|byte| matches!(byte, b' ' | b'\t'))
        {
            self.replace_aliases();
        }
        while self.aliases.known.is_some() && self.replace_alias(true) {
            self.skip_blanks();
        }
    }

    /// Replaces the word at this place if it is an alias, or with `everywhere` if it is one that is
    /// replaced everywhere.
    fn replace_alias(&mut self, everywhere: bool) -> bool {
        let Some(known) = self.aliases.known.clone() else { return false };
        self.peek();
        let rest = &self.text[self.pos..];
        let length = rest.iter().position(|&byte| is_meta(byte)).unwrap_or(rest.len());
        let found = known.get_key_value(&rest[..length]);
        let Some((name, alias)) = found.filter(|(_, alias)| alias.everywhere || !everywhere) else {
            return false;
        };
        if self.dialect.aliases_spare_functions {
            let behind = rest[length..].iter().find(|byte| !matches!(byte, b' ' | b'\t'));
            if behind == Some(&b'(') {
                return false;
            }
        }
        let value = &alias.text;
        let start = self.pos;
        self.aliases.active.retain(|(_, end)| *end > start);
        if self.aliases.active.iter().any(|(active, _)| active == name) {
            return false;
        }
        self.splice(start, start + length, value, alias.source);
        let end = start + value.len();
        self.aliases.active.push((name.clone(), end));
        if value.last().is_some_and(|byte| matches!(byte, b' ' | b'\t')) {
            self.aliases.next_word = Some(end);
        }
        true
    }

    /// Puts the text of an alias in the place of `start..end`.
    fn splice(&mut self, start: usize, end: usize, value: &[u8], source: SourceId) {
        let behind = self.span(end, end);
        let moved = |at: usize| at - end + start + value.len();
        self.segments.retain(|segment| segment.at < start || segment.at > end);
        for segment in self.segments.iter_mut().filter(|segment| segment.at > end) {
            segment.at = moved(segment.at);
        }
        let at = self.segments.partition_point(|segment| segment.at < start);
        let rest = Segment { at: moved(end), source: behind.source, offset: behind.start as usize };
        self.segments.splice(at..at, [Segment { at: start, source, offset: 0 }, rest]);
        for (_, active) in self.aliases.active.iter_mut().filter(|(_, active)| *active >= end) {
            *active = moved(*active);
        }
        if let Some(next) = &mut self.aliases.next_word
            && *next >= end
            && self.dialect.blank_of_alias_lasts
        {
            *next = moved(*next);
        }
        self.not_arithmetic.retain(|&at| at < start);
        self.text.to_mut().splice(start..end, value.iter().copied());
    }
}
