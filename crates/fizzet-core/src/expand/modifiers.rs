//! zsh's modifiers: `${x:t}`, `$x:h`, `${x:s/from/to/}` (each observed in zsh 5.9).

use std::ops::Range;
use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::Dialect;
use crate::expand::change::{Replacement, replaced as replaced_with};
use crate::expand::dequote::dequoted;
use crate::expand::flags::{backslashed, cased, told};
use crate::expand::parameter::Held;
use crate::expand::pattern::{Pattern, PatternRules};
use crate::expand::substitute::{Place, Substitution};
use crate::expand::tilde::program_path;
use crate::expand::{Tilde, single};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::{Modifier, Parameter, Replace, Word};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Applies one modifier to a value, or to each of a list; what is not set counts as empty.
    pub(super) fn modified_each(
        &mut self,
        parameter: &Parameter,
        held: Held,
        modifier: &Modifier,
        quoted: bool,
    ) -> Result<Held, Stop> {
        if let Modifier::Repeated(modifier, count) = modifier {
            return self.modified_again(parameter, held, (modifier, *count), quoted);
        }
        if let Modifier::Words(modifier, separator) = modifier {
            return self.modified_words(parameter, held, (modifier, separator.as_deref()), quoted);
        }
        if let Modifier::Again(global) = modifier {
            let Some((from, to)) = self.cx.state().replaced.clone() else { return Ok(held) };
            let modifier = Modifier::Replace((*from).into(), (*to).into(), *global);
            return self.modified_each(parameter, held, &modifier, quoted);
        }
        if let Modifier::Replace(from, to, global) = modifier {
            if from.is_empty() {
                // What was looked for last is looked for again.
                let state = self.cx.state();
                let Some((latest, _)) = state.replaced.clone().filter(|(from, _)| !from.is_empty())
                else {
                    return Err(state.mistake("nothing was replaced before", parameter.span, 1));
                };
                let modifier = Modifier::Replace((*latest).into(), to.clone(), *global);
                return self.modified_each(parameter, held, &modifier, quoted);
            }
            self.cx.state().replaced = Some(((**from).into(), (**to).into()));
        }
        if let Modifier::Replace(from, to, global) = modifier
            && self.cx.state().dialect.modifiers_replace_patterns
        {
            return self.replaced_by_pattern(parameter, held, (from, to, *global));
        }
        let read = |piece: &[u8]| piece.iter().any(|byte| b"$`'\"\\*?[~".contains(byte));
        if let Modifier::Replace(from, to, global) = modifier
            && !quoted
            && (read(from) || read(to))
        {
            return self.replaced_by_word(parameter, held, (from, to, *global));
        }
        let held = match (held, modifier) {
            (Held::Unset, Modifier::Letter(b'h')) if !self.cx.state().options.no_unset => {
                Held::One(self.computed(parameter, b""))
            }
            (held, _) => held,
        };
        let empty_head = self.computed(parameter, b".");
        self.each_in_turn(parameter, held, |this, text| {
            let made = match modifier {
                Modifier::Letter(b'h') if text.is_empty() => empty_head.clone(),
                Modifier::Letter(letter @ (b'a' | b'A' | b'P')) => this.absolute(text, *letter),
                Modifier::Letter(b'c') => match program_path(this.cx, text.bytes()) {
                    Some(path) => like(text, &path),
                    None => text.clone(),
                },
                modifier => by_text(text, modifier, &this.cx.state().dialect),
            };
            Ok(told(text, made, parameter.span))
        })
    }

    /// Applies a modifier some times, or until it changes nothing.
    fn modified_again(
        &mut self,
        parameter: &Parameter,
        mut held: Held,
        (modifier, count): (&Modifier, Option<usize>),
        quoted: bool,
    ) -> Result<Held, Stop> {
        let limit = self.cx.state().limits.bytes;
        // One that never comes to an end, such as `s/a/aa/`, stops at the limit for all that it has made.
        let mut made = 0usize;
        for _ in 0..count.unwrap_or(usize::MAX) {
            let before: Vec<Text> = held.texts().to_vec();
            held = self.modified_each(parameter, held, modifier, quoted)?;
            let texts = held.texts();
            if before.iter().map(Text::bytes).eq(texts.iter().map(Text::bytes)) {
                break;
            }
            made += 1 + texts.iter().map(Text::len).sum::<usize>();
            if made > limit {
                let (what, limit) = ("bytes in one word", limit as u64);
                return Err(Stop::Limit { what, limit, span: parameter.span });
            }
        }
        Ok(held)
    }

    /// Applies a modifier to each word of a value; what is between the words stays.
    fn modified_words(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (modifier, separator): (&Modifier, Option<&[u8]>),
        quoted: bool,
    ) -> Result<Held, Stop> {
        let ifs = self.cx.state().variables.separators();
        let ifs = ifs.as_deref().unwrap_or(b" \t\n").to_vec();
        self.each_in_turn(parameter, held, |this, text| {
            let mut made = Text::new();
            let mut from = 0;
            for word in words(text.bytes(), separator, &ifs) {
                made.push_text(&text.slice(from, word.start));
                from = word.end;
                // `l` and `u` take all that is behind the start of a word.
                let is_case = matches!(modifier, Modifier::Letter(b'l' | b'u'));
                let end = if is_case { text.len() } else { word.end };
                let word = Held::One(text.slice(word.start, end));
                for changed in this.modified_each(parameter, word, modifier, quoted)?.texts() {
                    made.push_text(changed);
                }
            }
            made.push_text(&text.slice(from, text.len()));
            Ok(told(text, made, parameter.span))
        })
    }

    /// `:s/from/to/` outside of double quotes, where quotes quote in both, and what is put in is expanded: a name
    /// at its end goes on in the value (observed in zsh 5.9: `a=xay; echo ${a:s/a/$b/}`).
    fn replaced_by_word(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (from, to, global): (&[u8], &[u8], bool),
    ) -> Result<Held, Stop> {
        let dialect = self.cx.state().dialect.clone();
        let from = dequoted(from, &dialect);
        let named = to.iter().rev().take_while(|&&byte| is_name_byte(byte)).count();
        let is_open = to.len() > named && to[to.len() - named - 1] == b'$';
        let limit = self.cx.state().limits.bytes;
        let mut last: Option<(Vec<u8>, Word)> = None;
        self.each_in_turn(parameter, held, |this, text| {
            let bytes = text.bytes();
            let mut made = Text::new();
            let mut at = 0;
            while !from.is_empty()
                && let Some(found) = bytes[at..].find(&from)
            {
                made.push_text(&text.slice(at, at + found));
                at += found + from.len();
                let behind = bytes[at..].iter().take_while(|&&byte| is_name_byte(byte)).count();
                let swallowed = if is_open { behind } else { 0 };
                let written = [&with_matched(to, &from)[..], &bytes[at..at + swallowed]].concat();
                let word = match last.take().filter(|(bytes, _)| *bytes == written) {
                    Some((_, word)) => word,
                    None => this.word_of(&written, &dialect)?,
                };
                made.push_text(&single(this.cx, &word, Tilde::Never)?);
                last = Some((written, word));
                at += swallowed;
                if made.len() > limit {
                    let (what, limit) = ("bytes in one word", limit as u64);
                    return Err(Stop::Limit { what, limit, span: parameter.span });
                }
                if !global {
                    break;
                }
            }
            made.push_text(&text.slice(at, bytes.len()));
            Ok(told(text, made, parameter.span))
        })
    }

    /// `:s/from/to/` where `from` is a pattern: as `${x/from/to}`, with which `#` and `%` before it stand for the
    /// start and the end (observed in zsh 5.9: `setopt histsubstpattern; x=abc; echo ${x:s/%?/Q/}`).
    fn replaced_by_pattern(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (from, to, global): (&[u8], &[u8], bool),
    ) -> Result<Held, Stop> {
        if from.is_empty() {
            return Ok(held);
        }
        let from = unescaped(from);
        let (which, from) = anchored(&from, global);
        let dialect = self.cx.state().dialect.clone();
        let (from, to) = (self.word_of(from, &dialect)?, self.word_of(to, &dialect)?);
        let place = Place::FIELDS;
        Ok(self.replace(parameter, held, (which, &from, Some(&to)), place)?.unwrap_or(Held::Unset))
    }

    /// The word that a text is which a modifier has made.
    pub(super) fn word_of(&mut self, written: &[u8], dialect: &Dialect) -> Result<Word, Stop> {
        let source = self.cx.state().sources.built("modifier", written);
        let span = Span::new(source, 0, written.len());
        Ok(Parser::new(written, source, dialect).whole_word(span)?)
    }

    /// The absolute path that a text means; `P` leaves a path that does not exist as it is written.
    fn absolute(&mut self, text: &Text, letter: u8) -> Text {
        let bytes = text.bytes();
        if bytes.is_empty() {
            return text.clone();
        }
        let mut path = match bytes[0] {
            b'/' => Vec::new(),
            _ => [self.cx.state().entered.bytes(), b"/"].concat(),
        };
        path.extend_from_slice(bytes);
        match letter == b'P' && !self.cx.host().exists(&path) {
            true => like(text, &path),
            false => like(text, &without_dots(&path)),
        }
    }
}

/// The words of a text: between separators, or between characters of IFS.
fn words(bytes: &[u8], separator: Option<&[u8]>, ifs: &[u8]) -> Vec<Range<usize>> {
    let mut words: Vec<Range<usize>> = Vec::new();
    match separator.filter(|separator| !separator.is_empty()) {
        Some(separator) => {
            let mut from = 0;
            for word in bytes.split_str(separator) {
                words.push(from..from + word.len());
                from += word.len() + separator.len();
            }
        }
        None => {
            for at in (0..bytes.len()).filter(|&at| !ifs.contains(&bytes[at])) {
                match words.last_mut().filter(|last| last.end == at) {
                    Some(last) => last.end = at + 1,
                    None => words.push(at..at + 1),
                }
            }
        }
    }
    words
}

/// Whether a byte can be in a name.
fn is_name_byte(byte: u8) -> bool {
    byte.is_ascii_alphanumeric() || byte == b'_'
}

/// What is put in, with what was found for each `&`.
fn with_matched(to: &[u8], from: &[u8]) -> Vec<u8> {
    let mut put = Vec::with_capacity(to.len());
    let mut at = 0;
    while let Some(&byte) = to.get(at) {
        match (byte, to.get(at + 1)) {
            (b'\\', Some(b'&')) => {
                put.push(b'&');
                at += 1;
            }
            (b'\\', Some(&next)) => {
                put.extend([byte, next]);
                at += 1;
            }
            (b'&', _) => put.extend_from_slice(from),
            (byte, _) => put.push(byte),
        }
        at += 1;
    }
    put
}

/// A text in which a backslash makes what is behind it stand for itself.
pub(super) fn unescaped(text: &[u8]) -> Vec<u8> {
    let mut bytes = text.iter();
    std::iter::from_fn(|| match bytes.next() {
        Some(b'\\') => Some(*bytes.next().unwrap_or(&b'\\')),
        byte => byte.copied(),
    })
    .collect()
}

/// A text that [`unescaped`] makes of what this answers.
fn escaped(text: &[u8]) -> Vec<u8> {
    text.replace(br"\", br"\\")
}

/// An absolute path without `.`, `..` and doubled slashes. A `..` right behind the first slash leaves its own slash, if
/// a part follows (observed in zsh 5.9).
fn without_dots(path: &[u8]) -> Vec<u8> {
    let mut kept: Vec<&[u8]> = Vec::new();
    for part in path.split_str("/").filter(|part| !part.is_empty()) {
        match part {
            b"." => {}
            b".." if kept.is_empty() => kept.push(b""),
            b".." => drop(kept.pop()),
            part => kept.push(part),
        }
    }
    let made = [b"/", &kept.join(&b'/')[..]].concat();
    match kept.iter().all(|part| part.is_empty()) {
        true => b"/".to_vec(),
        false => made,
    }
}

/// The first parts of a path with `h`, the last ones with `t`; a slash at the start is the first part.
fn parts_of(text: &Text, letter: u8, count: usize) -> Text {
    let bytes = text.bytes();
    let is_slash = |at: &usize| bytes[*at] == b'/';
    let starts_part = |at: &usize| !is_slash(at) && (*at == 0 || is_slash(&(at - 1)));
    let starts: Vec<usize> = (0..bytes.len()).filter(starts_part).collect();
    let rooted = usize::from(bytes.first() == Some(&b'/'));
    match letter {
        b't' if count <= starts.len() => {
            let end = (0..bytes.len()).rev().find(|at| !is_slash(at)).map_or(0, |at| at + 1);
            text.slice(starts[starts.len() - count], end)
        }
        b'h' if count == 1 && rooted == 1 => text.slice(0, 1),
        b'h' if count < starts.len() + rooted => {
            let next = starts[count - rooted];
            let end = (0..next).rev().find(|at| !is_slash(at)).map_or(next, |at| at + 1);
            text.slice(0, end)
        }
        _ => text.clone(),
    }
}

/// Which matches of a pattern a modifier replaces, and the pattern without the sign that says so.
fn anchored(from: &[u8], global: bool) -> (Replace, &[u8]) {
    match from {
        [b'#', b'%', from @ ..] => (Replace::Whole, from),
        [b'#', from @ ..] => (Replace::Prefix, from),
        [b'%', from @ ..] => (Replace::Suffix, from),
        from if global => (Replace::All, from),
        from => (Replace::First, from),
    }
}

/// As [`by_text`], for the name of a file: what it replaces may be a pattern.
pub(super) fn by_name(
    name: &Text,
    modifier: &Modifier,
    (dialect, rules): (&Dialect, PatternRules),
) -> Text {
    let Modifier::Replace(from, to, global) = modifier else {
        return by_text(name, modifier, dialect);
    };
    if !dialect.modifiers_replace_patterns || from.is_empty() {
        return by_text(name, modifier, dialect);
    }
    let (which, from) = anchored(from, *global);
    let from = like(name, from);
    let pattern = Pattern::new(from.bytes(), &vec![false; from.len()], rules);
    let put = Rc::new(Replacement::of(like(name, &unescaped(to))));
    replaced_with(name, &pattern, |_| Ok(put.clone()), which, usize::MAX)
        .unwrap_or_else(|_| name.clone())
}

/// A text that a modifier has changed.
pub(super) fn by_text(text: &Text, modifier: &Modifier, dialect: &Dialect) -> Text {
    match modifier {
        Modifier::Replace(from, to, global) => replaced(text, from, to, *global),
        Modifier::Letter(letter) => by_letter(text, *letter, dialect),
        Modifier::Parts(letter, count) => parts_of(text, *letter, *count),
        // What is repeated or done to words is taken apart before.
        Modifier::Again(_) | Modifier::Repeated(..) | Modifier::Words(..) => text.clone(),
    }
}

/// What a modifier of one letter makes of a text.
fn by_letter(text: &Text, letter: u8, dialect: &Dialect) -> Text {
    let bytes = text.bytes();
    let trimmed =
        bytes.iter().rposition(|&byte| byte != b'/').map_or(bytes.len().min(1), |at| at + 1);
    let slash = bytes[..trimmed].iter().rposition(|&byte| byte == b'/');
    let name = slash.map_or(0, |at| at + 1);
    let dot = bytes[name..].iter().rposition(|&byte| byte == b'.').map(|at| name + at);
    match letter {
        b't' => text.slice(name, trimmed),
        b'h' => match slash {
            None => like(text, b"."),
            Some(at) => {
                let end =
                    bytes[..at].iter().rposition(|&byte| byte != b'/').map_or(name, |at| at + 1);
                text.slice(0, end)
            }
        },
        b'r' => text.slice(0, dot.unwrap_or(bytes.len())),
        b'e' => dot.map_or_else(Text::new, |at| text.slice(at + 1, bytes.len())),
        b'l' => cased(text, false),
        b'u' => cased(text, true),
        b'q' if !text.is_empty() => backslashed(text),
        b'Q' => like(text, &dequoted(bytes, dialect)),
        _ => text.clone(),
    }
}

/// Another text that comes from where this one does.
fn like(text: &Text, bytes: &[u8]) -> Text {
    match text.runs().next() {
        Some((run, _)) => Text::from_bytes(bytes, Standing::Quoted, run.origin.clone()),
        None => Text::new(),
    }
}

/// A text with `from` replaced by `to`, in which `&` stands for `from`. A backslash escapes what is behind it in both.
fn replaced(text: &Text, from: &[u8], to: &[u8], global: bool) -> Text {
    let from = &unescaped(from)[..];
    let put = unescaped(&with_matched(to, &escaped(from)));
    let mut made = Text::new();
    let mut at = 0;
    while !from.is_empty()
        && let Some(found) = text.bytes()[at..].find(from)
    {
        made.push_text(&text.slice(at, at + found));
        made.push_text(&like(text, &put));
        at += found + from.len();
        if !global {
            break;
        }
    }
    made.push_text(&text.slice(at, text.len()));
    made
}
