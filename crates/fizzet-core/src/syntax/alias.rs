//! Alias substitution (POSIX XCU 2.3.1): a command word that is an alias is replaced in the text
//! before it is read.

use std::borrow::Cow;
use std::rc::Rc;

use bstr::ByteSlice;
use rustc_hash::FxHashMap;

use crate::dialect::{AliasesBehindBlank, EndOfAlias, SparedFunctions};
use crate::source::Span;
use crate::source::{SourceId, Sources};
use crate::syntax::cursor::{Parsed, Parser, Segment, is_meta};

/// Aliases by name.
pub type Aliases = FxHashMap<Rc<[u8]>, Alias>;

/// What an alias stands for.
#[derive(Clone, Debug)]
pub struct Alias {
    /// Its text.
    pub text: Rc<[u8]>,
    /// The source that the text became.
    pub source: SourceId,
    /// Where it counts.
    pub counts: AliasCounts,
    /// The source of its first text, by which those that came before it are known.
    pub made: SourceId,
}

/// Where an alias counts.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AliasCounts {
    /// Where a command stands.
    AtCommands,
    /// Wherever it is a word (zsh: `alias -g`).
    Everywhere,
    /// Before a command whose name ends in a dot and the name of the alias (zsh: `alias -s`).
    BeforeSuffix,
}

impl AliasCounts {
    /// The name under which such an alias is kept: no word can be that of one for a suffix.
    pub fn kept_name<'a>(self, name: &'a [u8]) -> Cow<'a, [u8]> {
        match self {
            AliasCounts::BeforeSuffix => [b"\0", name].concat().into(),
            AliasCounts::AtCommands | AliasCounts::Everywhere => name.into(),
        }
    }

    /// The name of an alias that is kept under this one.
    pub fn shown_name(self, kept: &[u8]) -> &[u8] {
        match self {
            AliasCounts::BeforeSuffix => &kept[1..],
            AliasCounts::AtCommands | AliasCounts::Everywhere => kept,
        }
    }
}

impl Alias {
    /// An alias for a text. The text is shown with a blank behind it, which some shells read.
    pub fn of(text: &[u8], counts: AliasCounts, sources: &mut Sources) -> Alias {
        let source = sources.built("alias", &[text, b" "].concat());
        Alias { text: text.into(), source, counts, made: source }
    }
}

/// Alias substitution under way.
#[derive(Default)]
pub(super) struct Substituting {
    /// The aliases that count; `None` where the shell replaces none.
    pub(super) known: Option<Rc<Aliases>>,
    /// Aliases that have been replaced, and where the text of each ends: inside it the same name is
    /// not replaced again.
    active: Vec<(Rc<[u8]>, usize)>,
    /// Where the texts of aliases that end in a blank end: the word behind each is looked at too.
    next_words: Vec<usize>,
    /// Whether the word that was read has quotes and left the one behind it to be replaced.
    passed_on: bool,
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

    /// The same for a word of a compound command, where the shell looks at those too.
    pub(super) fn replace_aliases_in(&mut self, place: AliasesBehindBlank) {
        if self.aliases.known.is_some() && self.dialect.aliases_behind_blank >= place {
            self.skip_blanks();
            self.replace_aliases_behind_blank();
        }
    }

    /// Replaces a word that may close or go on with a compound command; answers whether it was an alias.
    pub(super) fn replace_aliases_of_closers(&mut self) -> Parsed<bool> {
        match self.aliases.known.is_some() {
            true => self.replace_aliases_of_command(),
            false => Ok(false),
        }
    }

    /// Replaces the word that a command begins with, and answers whether it was an alias; one may begin with
    /// newlines.
    pub(super) fn replace_aliases_of_command(&mut self) -> Parsed<bool> {
        self.skip_blanks();
        let mut replaced = false;
        while self.replace_aliases(self.dialect.reserved_before_aliases) {
            replaced = true;
            if self.raw() != Some(b'\n') {
                break;
            }
            self.skip_newlines()?;
        }
        Ok(replaced)
    }

    /// Replaces the command word at this place as long as it is an alias and none of the words that are reserved
    /// here; false if it is none.
    pub(super) fn replace_aliases(&mut self, reserved: &[&str]) -> bool {
        if self.aliases.known.is_none() {
            return false;
        }
        self.replace_words(reserved) | self.insert_suffix_alias(reserved)
    }

    fn replace_words(&mut self, reserved: &[&str]) -> bool {
        let mut replaced = false;
        while self.aliases.known.is_some()
            && !reserved.iter().any(|word| self.at_reserved(word.as_bytes()))
            && self.replace_alias(false)
        {
            self.skip_blanks();
            replaced = true;
        }
        replaced
    }

    /// Puts the text of an alias for a suffix before the word at this place, if it ends in that; the word itself
    /// stays (zshbuiltins, `alias -s`).
    fn insert_suffix_alias(&mut self, reserved: &[&str]) -> bool {
        let Some(known) = self.aliases.known.clone() else { return false };
        self.peek();
        let (word, end) = self.bare_word();
        let Some((before, suffix)) = word.rsplit_once_str(b".") else { return false };
        let kept = AliasCounts::BeforeSuffix.kept_name(suffix);
        let Some((name, alias)) = known.get_key_value(&*kept) else { return false };
        if before.is_empty() || self.names_function(end) || self.is_being_replaced(name) {
            return false;
        }
        let start = self.pos;
        self.splice(start, start, &[&alias.text, &b" "[..]].concat(), alias.source);
        // The word is no suffix again where the text of the alias ends the command before it.
        self.aliases.active.push((name.clone(), end + alias.text.len() + 1));
        self.replace_words(reserved);
        true
    }

    /// Whether a word that ends here is spared because it names a function that is defined.
    fn names_function(&self, end: usize) -> bool {
        match self.dialect.aliases_spare_functions {
            SparedFunctions::Never => false,
            SparedFunctions::Adjacent => self.text.get(end) == Some(&b'('),
            SparedFunctions::All => {
                let behind = self.text[end..].iter().find(|byte| !matches!(byte, b' ' | b'\t'));
                behind == Some(&b'(')
            }
        }
    }

    /// Whether the text at this place is that of an alias, in which the same alias does not count again.
    fn is_being_replaced(&mut self, name: &[u8]) -> bool {
        let start = self.pos;
        self.aliases.active.retain(|(_, end)| *end > start);
        self.aliases.active.iter().any(|(active, _)| **active == *name)
    }

    /// Replaces the word at this place if it stands behind an alias that ends in a blank.
    pub(super) fn replace_aliases_behind_blank(&mut self) {
        let is_blank = |byte: &u8| matches!(byte, b' ' | b'\t');
        let mut stands_behind = std::mem::take(&mut self.aliases.passed_on);
        let (text, pos) = (&self.text, self.pos);
        self.aliases.next_words.retain(|&end| {
            let here = end <= pos;
            stands_behind |= here && text[end..pos].iter().all(is_blank);
            !here
        });
        if stands_behind {
            self.replace_words(&[]);
            self.aliases.passed_on =
                self.dialect.quoted_words_pass_aliases_on && self.word_has_quotes();
        }
        while self.aliases.known.is_some() && self.replace_alias(true) {
            self.skip_blanks();
        }
    }

    /// Whether a part of the text between a place and this one is that of an alias, which ends there too.
    pub(super) fn stands_behind_alias(&self, start: usize) -> bool {
        self.aliases.active.iter().any(|&(_, end)| start < end && end <= self.pos)
    }

    fn word_has_quotes(&self) -> bool {
        let mut word = self.text[self.pos..].iter().take_while(|&&byte| !is_meta(byte));
        word.any(|byte| matches!(byte, b'\'' | b'"' | b'\\'))
    }

    /// Replaces the word at this place if it is an alias, or with `everywhere` if it is one that is
    /// replaced everywhere.
    fn replace_alias(&mut self, everywhere: bool) -> bool {
        let Some(known) = self.aliases.known.clone() else { return false };
        self.peek();
        let (word, end) = self.bare_word();
        let found = known.get_key_value(&*word);
        let counts = |alias: &Alias| !everywhere || alias.counts == AliasCounts::Everywhere;
        let Some((name, alias)) = found.filter(|(_, alias)| counts(alias)) else { return false };
        if self.names_function(end) || self.is_being_replaced(name) || self.at_descriptor() {
            return false;
        }
        let value = &alias.text;
        let start = self.pos;
        match self.blank_ends(value, end) {
            true => self.splice(start, end, &[value, &b" "[..]].concat(), alias.source),
            false => self.splice(start, end, value, alias.source),
        }
        let end = start + value.len();
        self.aliases.active.push((name.clone(), end));
        let is_escaped = !self.dialect.escaped_blank_of_alias_counts
            && matches!(value.iter().rev().nth(1), Some(b'\\'));
        if value.last().is_some_and(|last| self.dialect.alias_blanks.contains(last)) && !is_escaped
        {
            self.aliases.next_words.push(end);
        }
        true
    }

    /// The bytes at this place up to the end of the word, continuations not counted, and where they end.
    fn bare_word(&self) -> (Cow<'_, [u8]>, usize) {
        let rest = &self.text[self.pos..];
        let length = rest.iter().position(|&byte| is_meta(byte)).unwrap_or(rest.len());
        let is_continued = rest[..length].ends_with(b"\\") && rest.get(length) == Some(&b'\n');
        if !is_continued {
            return (rest[..length].into(), self.pos + length);
        }
        let mut word = Vec::new();
        let mut at = self.pos;
        while let Some(&byte) = self.text.get(at).filter(|&&byte| !is_meta(byte)) {
            word.push(byte);
            at = self.over_continuations(at + 1);
        }
        (word.into(), at)
    }

    /// Whether the shell reads a blank of its own between the text of an alias and the text behind its name.
    fn blank_ends(&self, text: &[u8], name_end: usize) -> bool {
        match self.dialect.end_of_alias {
            EndOfAlias::Joined => false,
            EndOfAlias::BlankUnlessThere => {
                !matches!(self.text.get(name_end), None | Some(b' ' | b'\t'))
            }
            EndOfAlias::BlankBehindWord => {
                let escapes = text.iter().rev().take_while(|&&byte| byte == b'\\').count();
                escapes % 2 == 0
                    && text.last().is_some_and(|&byte| !is_meta(byte))
                    && !quotes_stay_open(text)
            }
        }
    }

    /// Puts the text of an alias in the place of `start..end`.
    fn splice(&mut self, start: usize, end: usize, value: &[u8], source: SourceId) {
        let behind = self.span(end, end);
        let before = self.segments[self.segments.partition_point(|one| one.at <= start) - 1];
        let written = (before.source, start - before.at + before.offset);
        let stands_at = Some(before.stands_at.unwrap_or(written));
        let moved = |at: usize| at - end + start + value.len();
        self.segments.retain(|segment| segment.at < start || segment.at > end);
        for segment in self.segments.iter_mut().filter(|segment| segment.at > end) {
            segment.at = moved(segment.at);
        }
        let at = self.segments.partition_point(|segment| segment.at < start);
        let rest = Segment { stands_at: before.stands_at, ..Segment::written(moved(end), behind) };
        let inside = Segment { stands_at, ..Segment::written(start, Span::new(source, 0, 0)) };
        self.segments.splice(at..at, [inside, rest]);
        for (_, active) in self.aliases.active.iter_mut().filter(|(_, active)| *active >= end) {
            *active = moved(*active);
        }
        for next in self.aliases.next_words.iter_mut().filter(|next| **next >= end) {
            *next = moved(*next);
        }
        self.not_arithmetic.retain(|&at| at < start);
        self.not_subscripts.retain(|&at| at < start);
        self.left_away.retain(|&at| at < start);
        self.text.to_mut().splice(start..end, value.iter().copied());
    }
}

/// Whether a quote that begins in the text of an alias ends behind it, or a comment does.
fn quotes_stay_open(text: &[u8]) -> bool {
    let mut open = None;
    let mut bytes = text.iter().copied();
    let mut before = b' ';
    while let Some(byte) = bytes.next() {
        match (open, byte) {
            (None, b'#') if is_meta(before) => return true,
            (None, b'\'' | b'"') => open = Some(byte),
            (Some(quote), _) if quote == byte => open = None,
            (None | Some(b'"'), b'\\') => drop(bytes.next()),
            _ => {}
        }
        before = byte;
    }
    open.is_some()
}
