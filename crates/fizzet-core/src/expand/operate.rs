//! What `${...}` does with a value.

use crate::expand::parameter::Held;
use crate::expand::pattern::{Pattern, PatternRules, next_character};
use crate::expand::substitute::{Place, Substitution};
use crate::expand::{Tilde, arithmetic, joined, pattern_text, single};
use crate::lineage::{Hop, Origin, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{
    Arithmetic, Instead, Operation, Parameter, ParameterName, Replace, Subscript, Word,
};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Carries out the operation; `None` when the word of the operation has been put into place.
    pub(super) fn operate(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        match &parameter.operation {
            Operation::Value | Operation::Bad => Ok(Some(held)),
            Operation::Length => self.length(parameter, held).map(Some),
            Operation::Instead { what, colon, word } => {
                self.instead(parameter, held, (*what, *colon, word), place)
            }
            Operation::Remove { suffix, longest, pattern } => {
                let pattern = self.pattern(pattern)?;
                let cut = |text: &Text| removed(text, &pattern, *suffix, *longest);
                self.each(parameter, held, cut).map(Some)
            }
            Operation::Replace { which, pattern, replacement } => self
                .replace(parameter, held, (*which, pattern, replacement.as_ref()), place)
                .map(Some),
            Operation::Case { upper, all, pattern } => {
                let pattern = match pattern {
                    Some(word) => Some(self.pattern(word)?),
                    None => None,
                };
                let change = |text: &Text| cased(text, *upper, *all, pattern.as_ref());
                self.each(parameter, held, change).map(Some)
            }
            Operation::Substring { offset, length } => {
                self.substring(parameter, held, offset, length.as_ref()).map(Some)
            }
            Operation::Names { separate } => self.names(parameter, !separate).map(Some),
            Operation::Keys => self.keys(parameter).map(Some),
            Operation::Indirect(then) => self.indirect(parameter, held, then, place),
            Operation::Transform(letter) => self.transform(parameter, held, *letter).map(Some),
        }
    }

    fn pattern(&mut self, word: &Word) -> Result<Pattern, Stop> {
        let text = pattern_text(self.cx, word)?;
        let state = self.cx.state();
        Ok(Pattern::from_text(&text, PatternRules::new(&state.dialect, state.utf8())))
    }

    /// Applies a change to a value, or to each value of a list; an unset parameter stays unset.
    fn each(
        &mut self,
        parameter: &Parameter,
        held: Held,
        change: impl Fn(&Text) -> Text,
    ) -> Result<Held, Stop> {
        Ok(match held {
            Held::Unset => {
                self.unset(parameter)?;
                Held::Unset
            }
            Held::One(text) if text.has_hole() => Held::One(text),
            Held::One(text) => Held::One(change(&text)),
            Held::List { items, star } => {
                Held::List { items: items.iter().map(change).collect(), star }
            }
        })
    }

    fn length(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        if matches!(held, Held::Unset) {
            self.unset(parameter)?;
        }
        let state = self.cx.state();
        let characters = state.dialect.lengths_in_characters && state.utf8();
        let count = match &held {
            Held::Unset => 0,
            Held::One(text) => length(text.bytes(), characters),
            Held::List { items, .. } => items.len(),
        };
        Ok(Held::One(self.computed(parameter, count.to_string().as_bytes())))
    }

    /// A value that the expansion itself has made.
    fn computed(&mut self, parameter: &Parameter, bytes: &[u8]) -> Text {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        self.cx.state().shell_text(bytes).passed_through(&hop, Standing::Quoted)
    }

    fn instead(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (what, colon, word): (Instead, bool, &Word),
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let has_value = match &held {
            Held::Unset => false,
            Held::One(text) => !colon || !text.is_empty() || text.has_hole(),
            Held::List { items, .. } => {
                !items.is_empty() && (!colon || items.len() > 1 || !items[0].is_empty())
            }
        };
        let use_word = has_value == (what == Instead::Alternative);
        if !use_word {
            // `${x+word}` of an unset x is nothing, and no error under set -u.
            let nothing = what == Instead::Alternative;
            return Ok(Some(if nothing { Held::One(Text::new()) } else { held }));
        }
        match what {
            Instead::Default | Instead::Alternative => {
                let literal = Standing::Splittable;
                self.word(word, Place { literal, tilde: Tilde::AtStart, ..place })?;
                Ok(None)
            }
            Instead::Assign => self.assign(parameter, word, place).map(Some),
            Instead::Error => {
                let text = single(self.cx, word, Tilde::AtStart)?;
                let name = parameter.name.to_bytes();
                let message = match text.is_empty() {
                    true => "it is not set".into(),
                    false => String::from_utf8_lossy(text.bytes()).into_owned(),
                };
                let message = format!("{}: {message}", String::from_utf8_lossy(&name));
                let status = self.cx.state().dialect.unset_status;
                Err(Stop::shell(message, parameter.span, status))
            }
        }
    }

    fn assign(&mut self, parameter: &Parameter, word: &Word, place: Place) -> Result<Held, Stop> {
        let ParameterName::Variable(name) = &parameter.name else {
            let status = self.cx.state().dialect.bad_substitution_status;
            return Err(Stop::shell("only a variable can be assigned", parameter.span, status));
        };
        let inner = Place { fields: false, tilde: Tilde::AtStart, ..place };
        let value = joined(Substitution::run(self.cx, word, inner)?);
        let hop = |rule| Hop { rule, span: parameter.span, name: Some(name.clone()), shifted: 0 };
        let stored = value.passed_through(&hop(Rule::Stored), Standing::Quoted);
        let expanded = stored.passed_through(&hop(Rule::Parameter), Standing::Quoted);
        let key = match &parameter.index {
            Some(Subscript::Index(index)) => Some(self.key(name, index)?),
            _ => None,
        };
        self.cx.state().store(name, key, stored, parameter.span)?;
        Ok(Held::One(expanded))
    }

    fn replace(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (which, pattern, replacement): (Replace, &Word, Option<&Word>),
        place: Place,
    ) -> Result<Held, Stop> {
        let pattern = self.pattern(pattern)?;
        let replacement = match replacement {
            Some(word) => {
                let inner = Place { fields: false, tilde: Tilde::AtStart, ..place };
                joined(Substitution::run(self.cx, word, inner)?).quoted()
            }
            None => Text::new(),
        };
        let limit = self.cx.state().limits.bytes;
        let held = self
            .each(parameter, held, |text| replaced(text, &pattern, &replacement, which, limit))?;
        if let Held::One(text) = &held
            && text.len() > limit
        {
            let (what, limit) = ("bytes in one word", limit as u64);
            return Err(Stop::Limit { what, limit, span: parameter.span });
        }
        Ok(held)
    }

    fn substring(
        &mut self,
        parameter: &Parameter,
        held: Held,
        offset: &Arithmetic,
        length: Option<&Arithmetic>,
    ) -> Result<Held, Stop> {
        let offset = arithmetic::value(self.cx, offset)?;
        let length = match length {
            Some(length) => Some(arithmetic::value(self.cx, length)?),
            None => None,
        };
        let negative = |cx: &mut dyn crate::expand::Context| {
            let status = cx.state().dialect.bad_substitution_status;
            Stop::shell("the length of a substring is less than 0", parameter.span, status)
        };
        match held {
            Held::Unset => {
                self.unset(parameter)?;
                Ok(Held::Unset)
            }
            Held::One(text) => {
                let state = self.cx.state();
                let characters = state.dialect.characters && state.utf8();
                let bounds = bounds(text.bytes(), characters);
                let Some((start, end)) = range(bounds.len() as i64 - 1, offset, length) else {
                    return Err(negative(self.cx));
                };
                Ok(Held::One(text.slice(bounds[start], bounds[end])))
            }
            Held::List { items, star } => {
                let positional = matches!(parameter.name, ParameterName::Special(_));
                let mut all = items;
                if positional {
                    // Offset 0 means $0, offset 1 means $1.
                    let name = parameter.name.to_bytes();
                    let hop = Hop {
                        rule: Rule::Parameter,
                        span: parameter.span,
                        name: Some(name),
                        shifted: 0,
                    };
                    let zero = &self.cx.state().positional.zero;
                    all.insert(0, zero.passed_through(&hop, Standing::Quoted));
                }
                if length.is_some_and(|length| length < 0) {
                    return Err(negative(self.cx));
                }
                let count = all.len() as i64;
                let items = match range(count, offset, length) {
                    Some((start, end)) => all[start..end].to_vec(),
                    None => Vec::new(),
                };
                Ok(Held::List { items, star })
            }
        }
    }

    fn names(&mut self, parameter: &Parameter, star: bool) -> Result<Held, Stop> {
        let prefix = parameter.name.to_bytes();
        let names: Vec<Vec<u8>> = self
            .cx
            .state()
            .variables
            .names()
            .into_iter()
            .filter(|name| name.starts_with(&prefix))
            .map(<[u8]>::to_vec)
            .collect();
        let items = names.iter().map(|name| self.computed(parameter, name)).collect();
        Ok(Held::List { items, star })
    }

    fn keys(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let name = parameter.name.to_bytes();
        let keys = self.cx.state().variables.keys(&name);
        let star = matches!(parameter.index, Some(Subscript::Star));
        let items = keys.iter().map(|key| self.computed(parameter, key)).collect();
        Ok(Held::List { items, star })
    }

    /// `${!x...}`: the value of x names the parameter that is expanded.
    fn indirect(
        &mut self,
        parameter: &Parameter,
        held: Held,
        then: &Operation,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let status = self.cx.state().dialect.bad_substitution_status;
        let refused = |what: &str| Stop::shell(what, parameter.span, status);
        let Held::One(text) = held else { return Err(refused("the name for ${!...} is not set")) };
        let name = match text.bytes() {
            [sign @ (b'@' | b'*' | b'#' | b'?' | b'-' | b'$' | b'!')] => {
                ParameterName::Special(*sign)
            }
            digits if !digits.is_empty() && digits.iter().all(u8::is_ascii_digit) => {
                let digits = String::from_utf8_lossy(digits);
                ParameterName::Positional(digits.parse().unwrap_or(usize::MAX))
            }
            name if crate::syntax::is_name(name) => ParameterName::Variable(name.into()),
            _ => return Err(refused("the value for ${!...} is no name")),
        };
        let named = Parameter { name, index: None, operation: then.clone(), ..parameter.clone() };
        let held = self.held(&named)?;
        self.operate(&named, held, place)
    }

    fn transform(&mut self, parameter: &Parameter, held: Held, letter: u8) -> Result<Held, Stop> {
        match letter {
            b'Q' => self.each(parameter, held, requoted),
            b'U' => self.each(parameter, held, |text| cased(text, true, true, None)),
            b'u' => self.each(parameter, held, |text| cased(text, true, false, None)),
            b'L' => self.each(parameter, held, |text| cased(text, false, true, None)),
            _ => {
                self.cx.missing("what this transformation of a parameter gives", parameter.span);
                let mut hole = Text::new();
                let origin = Origin::new(Rule::Parameter, parameter.span);
                hole.push_hole(Standing::Quoted, &origin);
                Ok(Held::One(hole))
            }
        }
    }
}

/// The length of a value in characters or in bytes.
fn length(bytes: &[u8], characters: bool) -> usize {
    if characters { bounds(bytes, true).len() - 1 } else { bytes.len() }
}

/// The offsets between the characters of a value, its end included.
fn bounds(bytes: &[u8], characters: bool) -> Vec<usize> {
    let mut bounds = vec![0];
    let mut at = 0;
    while let Some((_, length)) = next_character(&bytes[at..], characters) {
        at += length;
        bounds.push(at);
    }
    bounds
}

/// The part of `count` things that an offset and a length mean; a negative one counts from the end.
/// `None` when the end would lie before the start.
fn range(count: i64, offset: i64, length: Option<i64>) -> Option<(usize, usize)> {
    let start = if offset < 0 { count.saturating_add(offset) } else { offset };
    if start < 0 || start > count {
        return Some((0, 0));
    }
    let end = match length {
        None => count,
        Some(length) if length < 0 => count.saturating_add(length),
        Some(length) => start.saturating_add(length).min(count),
    };
    (end >= start).then_some((start as usize, end as usize))
}

fn removed(text: &Text, pattern: &Pattern, suffix: bool, longest: bool) -> Text {
    let bytes = text.bytes();
    if suffix {
        return match pattern.suffix_start(bytes, longest) {
            Some(start) => text.slice(0, start),
            None => text.clone(),
        };
    }
    let ends = pattern.prefix_ends(bytes);
    let end = if longest { ends.last() } else { ends.first() };
    text.slice(end.copied().unwrap_or(0), bytes.len())
}

fn replaced(
    text: &Text,
    pattern: &Pattern,
    replacement: &Text,
    which: Replace,
    limit: usize,
) -> Text {
    let bytes = text.bytes();
    let mut made = Text::new();
    match which {
        Replace::Prefix => {
            let Some(end) = pattern.prefix_ends(bytes).pop() else { return text.clone() };
            made.push_text(replacement);
            made.push_text(&text.slice(end, bytes.len()));
        }
        Replace::Suffix => {
            let Some(start) = pattern.suffix_start(bytes, true) else { return text.clone() };
            made.push_text(&text.slice(0, start));
            made.push_text(replacement);
        }
        Replace::First | Replace::All => {
            let mut at = 0;
            let mut folded = None;
            while at < bytes.len()
                && made.len() <= limit
                && let Some((start, end)) = pattern.find(bytes, at)
            {
                let between = (at, start);
                at = end;
                if made.run_count() <= MAX_TOLD_APART {
                    made.push_text(&text.slice(between.0, between.1));
                    made.push_text(replacement);
                } else {
                    let Some(origin) = folded.get_or_insert_with(|| folded_origin(text)) else {
                        break;
                    };
                    made.push(&bytes[between.0..between.1], Standing::Quoted, origin);
                    made.push(replacement.bytes(), Standing::Quoted, origin);
                }
                if which == Replace::First {
                    break;
                }
            }
            made.push_text(&text.slice(at, bytes.len()));
        }
    }
    made
}

/// How many pieces of a value with replacements are told apart.
const MAX_TOLD_APART: usize = 4096;

/// The origin of pieces that are no longer told apart.
fn folded_origin(text: &Text) -> Option<Origin> {
    let (run, _) = text.runs().next()?;
    let span = run.origin.span();
    Some(run.origin.then(Hop { rule: Rule::Folded, span, name: None, shifted: 0 }))
}

/// Changes the case of characters; a character whose other case is longer stays as it is.
fn cased(text: &Text, upper: bool, all: bool, pattern: Option<&Pattern>) -> Text {
    let mut made = Text::new();
    let mut first = true;
    for (run, bytes) in text.runs() {
        let mut changed = Vec::with_capacity(bytes.len());
        for chunk in bstr::ByteSlice::utf8_chunks(bytes) {
            for character in chunk.valid().chars() {
                let mut buffer = [0; 4];
                let fits = pattern.is_none_or(|pattern| {
                    pattern.matches(character.encode_utf8(&mut buffer).as_bytes())
                });
                let wanted = fits && (all || first);
                first = false;
                let other = match (wanted, upper) {
                    (true, true) => one(character.to_uppercase()).unwrap_or(character),
                    (true, false) => one(character.to_lowercase()).unwrap_or(character),
                    _ => character,
                };
                changed.extend_from_slice(other.encode_utf8(&mut buffer).as_bytes());
            }
            changed.extend_from_slice(chunk.invalid());
        }
        made.push(&changed, run.standing, &run.origin);
    }
    made
}

fn one(mut characters: impl Iterator<Item = char>) -> Option<char> {
    let first = characters.next()?;
    characters.next().is_none().then_some(first)
}

/// `${x@Q}`: quoted so that the shell reads the same value again.
fn requoted(text: &Text) -> Text {
    let Some((run, _)) = text.runs().next() else {
        return text.clone();
    };
    let control = |byte: &u8| byte.is_ascii_control();
    let mut bytes = Vec::with_capacity(text.len() + 2);
    if text.bytes().iter().any(control) {
        bytes.extend_from_slice(b"$'");
        for &byte in text.bytes() {
            match byte {
                b'\n' => bytes.extend_from_slice(b"\\n"),
                b'\t' => bytes.extend_from_slice(b"\\t"),
                b'\r' => bytes.extend_from_slice(b"\\r"),
                0x1b => bytes.extend_from_slice(b"\\E"),
                7 => bytes.extend_from_slice(b"\\a"),
                8 => bytes.extend_from_slice(b"\\b"),
                11 => bytes.extend_from_slice(b"\\v"),
                12 => bytes.extend_from_slice(b"\\f"),
                b'\'' | b'\\' => bytes.extend_from_slice(&[b'\\', byte]),
                _ if control(&byte) => bytes.extend_from_slice(format!("\\{byte:03o}").as_bytes()),
                _ => bytes.push(byte),
            }
        }
    } else {
        bytes.push(b'\'');
        for &byte in text.bytes() {
            match byte {
                b'\'' => bytes.extend_from_slice(b"'\\''"),
                _ => bytes.push(byte),
            }
        }
    }
    bytes.push(b'\'');
    Text::from_bytes(bytes, run.standing, run.origin.clone())
}
