//! The values that expansions with flags begin with: of names, of subscripts, of other expansions in the place
//! of a name (observed in zsh 5.9).

use std::rc::Rc;

use bstr::ByteSlice;

use crate::expand::half_known::hole_at;
use crate::expand::parameter::{Held, key_at};
use crate::expand::substitute::{Place, Substitution};
use crate::expand::told_tables::{freshen, kind_of_parameter, kind_of_variable};
use crate::expand::{Tilde, joined};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Key, Value};
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::{
    Flag, Flagged, Further, Operation, Parameter, ParameterName, Part, Slice, Subscript, Word,
};
use crate::text::{Standing, Text, character_count};

impl Substitution<'_> {
    /// The value that the expansion begins with.
    pub(super) fn flagged_value(&mut self, flagged: &Flagged, place: Place) -> Result<Held, Stop> {
        let parameter = &flagged.parameter;
        if let ParameterName::Variable(name) = &parameter.name {
            freshen(self.cx, name);
        }
        let keys = flagged.flags.iter().any(|flag| flag.letter == b'k');
        let held = match &flagged.inner {
            Some(Part::Flagged(inner)) if parameter.index.is_some() && names_value(inner) => {
                return self.element_named_by(flagged, inner, place);
            }
            Some(inner) => {
                let mut held = self.inner_value(inner, place)?;
                if parameter.index.is_some() && flagged.flags.iter().any(|flag| flag.letter == b'P')
                {
                    held = self.named_value(parameter, held)?;
                }
                match &parameter.index {
                    Some(Subscript::Index(index)) => {
                        let at = self.index(index)?;
                        self.element_of(held, at)
                    }
                    _ => held,
                }
            }
            None if parameter.name == ParameterName::Variable([].into()) => Held::Unset,
            None if let Some(key) = self.key_of_element(flagged)? => key,
            None if keys && !matches!(parameter.index, Some(Subscript::Index(_))) => {
                self.keys_and_values(flagged)?
            }
            None => match &parameter.index {
                Some(Subscript::Index(index)) if !self.is_keyed(parameter) => {
                    let held = self.whole_value(parameter)?;
                    let at = self.index(index)?;
                    match (at, held) {
                        // Parameter 0 of the list is none at all, element 0 of an array is unset.
                        (0, Held::List { star, .. })
                            if parameter.name == ParameterName::Special(b'@') =>
                        {
                            Held::List { items: Vec::new(), star }
                        }
                        (0, Held::List { .. }) => Held::Unset,
                        (at, held) => self.element_of(held, at),
                    }
                }
                Some(Subscript::At | Subscript::Star) if !self.is_list(parameter) => {
                    self.held(&Parameter { index: None, ..parameter.clone() })?
                }
                None if flagged.slice.is_some() => self.whole_value(parameter)?,
                _ => {
                    if place.quoted {
                        self.refuse_empty_key(parameter)?;
                    }
                    self.held(parameter)?
                }
            },
        };
        let mut held = match &flagged.slice {
            None => held,
            Some(Slice::Search(flags, pattern)) if self.is_keyed(parameter) => {
                self.searched_keys(flagged, flags, pattern)?
            }
            Some(Slice::Range(first, last)) if self.is_keyed(parameter) => {
                // A comma is a character of a key.
                let span = Span { end: last.word.span.end, ..first.word.span };
                let key = Key::Text(key_at(self.cx, span)?);
                let name = parameter.name.to_bytes();
                let (rule, span) = (Rule::Parameter, parameter.span);
                let hop = Hop { rule, span, name: Some((&*name).into()), shifted: 0 };
                let value = self.cx.state().variables.element(&name, &key);
                let read = |text: &Text| Held::One(text.passed_through(&hop, Standing::Quoted));
                value.map_or(Held::Unset, read)
            }
            Some(slice) => self.sliced(flagged, held, slice)?,
        };
        for further in &flagged.further {
            if matches!(held, Held::Unset) {
                return Ok(held);
            }
            held = match further {
                Further::Index(index) => {
                    let at = self.index(index)?;
                    self.element_of(held, at)
                }
                Further::Slice(slice) => self.sliced(flagged, held, slice)?,
            };
        }
        Ok(held)
    }

    /// All of what subscripts take a part of.
    fn whole_value(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let lists = !self.cx.state().dialect.names_mean_lists && self.is_list(parameter);
        let index = lists.then_some(Subscript::Star);
        self.held(&Parameter { index, ..parameter.clone() })
    }

    /// What another expansion in the place of a name gives.
    pub(super) fn inner_value(&mut self, inner: &Part, place: Place) -> Result<Held, Stop> {
        let span = inner.span();
        if let Part::Double { parts, .. } = inner
            && !self.is_one_expansion(parts)
        {
            let message =
                "the quotes hold something else than one expansion in braces or parentheses";
            let status = self.cx.state().dialect.bad_substitution_status;
            return Err(self.cx.state().mistake(message, span, status));
        }
        let word = Word::new(vec![inner.clone()], span);
        let inside = Place { tilde: Tilde::Never, ..place };
        if place.quoted && makes_list(inner) {
            let all = Place { fields: true, ..inside };
            let (pieces, has_list) = Substitution::run_telling(self.cx, &word, all)?;
            let mut items: Vec<Text> = pieces.into_iter().map(|piece| piece.text).collect();
            // One part alone is no list, nor is it one with another subscript behind it.
            return Ok(match items.len() {
                1 if !has_list => Held::One(items.remove(0)),
                _ => Held::List { items, star: true },
            });
        }
        if place.quoted || matches!(inner, Part::Double { .. }) {
            let pieces = Substitution::run(self.cx, &word, Place { fields: false, ..inside })?;
            return Ok(Held::One(joined(pieces)));
        }
        // Its elements are fields even where the whole becomes one text: what is empty is lost.
        let inside = Place { fields: true, ..inside };
        let (pieces, has_list) = Substitution::run_telling(self.cx, &word, inside)?;
        let mut items = super::split_all(self.cx, pieces, &word)?;
        Ok(match items.len() {
            0 => Held::One(Text::new()),
            1 if !has_list => Held::One(items.remove(0)),
            _ => Held::List { items, star: true },
        })
    }

    /// Whether quotes in the place of a name hold nothing but one `${...}`, `$(...)` or `$((...))`.
    fn is_one_expansion(&mut self, parts: &[Part]) -> bool {
        let [part] = parts else { return parts.is_empty() };
        let written = self.cx.state().sources.bytes(part.span());
        written.starts_with(b"${") || written.starts_with(b"$(")
    }

    pub(super) fn is_keyed(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        if self.tells_programs(name) {
            return true;
        }
        let variable = self.cx.state().variables.get(name);
        matches!(variable.map(|one| &one.value), Some(Value::Associative(_)))
    }

    pub(super) fn is_list(&mut self, parameter: &Parameter) -> bool {
        match &parameter.name {
            ParameterName::Variable(name) => {
                let state = self.cx.state();
                state.variables.is_array(name)
            }
            name => matches!(name, ParameterName::Special(b'@' | b'*')),
        }
    }

    fn keys_and_values(&mut self, flagged: &Flagged) -> Result<Held, Stop> {
        let parameter = &flagged.parameter;
        let name = parameter.name.to_bytes();
        let values = flagged.flags.iter().any(|flag| flag.letter == b'v');
        let value = self.cx.state().variables.get(&name).map(|one| one.value.clone());
        let Some(Value::Associative(elements)) = value else { return self.held(parameter) };
        let pairs = elements.pairs().into_iter().flat_map(|(key, value)| {
            [Some(key), values.then_some(value)].into_iter().flatten().cloned()
        });
        Ok(Held::List { items: pairs.collect(), star: true })
    }

    /// `${(k)a[2]}`: the place of an element, or its key where there is such an element; `None` for others.
    fn key_of_element(&mut self, flagged: &Flagged) -> Result<Option<Held>, Stop> {
        let parameter = &flagged.parameter;
        let has = |letter: u8| flagged.flags.iter().any(|flag| flag.letter == letter);
        let Some(Subscript::Index(index)) = &parameter.index else { return Ok(None) };
        if !has(b'k') || has(b'v') {
            return Ok(None);
        }
        if let (true, ParameterName::Variable(name)) = (self.is_keyed(parameter), &parameter.name) {
            let Key::Text(text) = self.key(name, index)? else { return Ok(None) };
            let variables = &self.cx.state().variables;
            let is_there = variables.element(name, &Key::Text(text.clone())).is_some();
            return Ok(Some(if is_there { Held::One(text) } else { Held::Unset }));
        }
        let Held::List { items, .. } = self.whole_value(parameter)? else { return Ok(None) };
        let at = self.index(index)?;
        let place = if at < 0 { at + items.len() as i64 + 1 } else { at };
        Ok(Some(Held::One(self.computed(parameter, place.to_string().as_bytes()))))
    }

    /// `(P)`: the value is the name of the parameter that is meant.
    pub(super) fn named_value(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        let text = match held {
            Held::One(text) => text,
            // The first element is the name (observed in zsh 5.9: v=(a b); echo ${(P)v}).
            Held::List { items, .. } => items.into_iter().next().unwrap_or_default(),
            Held::Unset => return Ok(held),
        };
        let text = match &parameter.name {
            ParameterName::Variable(name) if parameter.index.is_none() => {
                let given = self.cx.state().variables.get(name).and_then(|one| one.given.clone());
                given.map_or(text, |given| *given)
            }
            _ => text,
        };
        let name: Rc<[u8]> = text.bytes().into();
        let name = match &*name {
            digits if !digits.is_empty() && digits.iter().all(u8::is_ascii_digit) => {
                let number = String::from_utf8_lossy(digits).parse().unwrap_or(usize::MAX);
                ParameterName::Positional(number)
            }
            _ if self.cx.state().dialect.is_name(&name) => ParameterName::Variable(name),
            b"@" => ParameterName::Special(b'@'),
            b"*" => ParameterName::Special(b'*'),
            _ => return self.named_element(&name),
        };
        let operation = Operation::Value;
        self.held(&Parameter { name, index: None, operation, ..parameter.clone() })
    }

    /// `${(Pt)x}`, `${(Pk)x}`: what is asked about the variable whose name x holds; nothing where no name is asked for.
    pub(super) fn asked_of_named(&mut self, flagged: &Flagged) -> Result<Option<Flagged>, Stop> {
        let parameter = &flagged.parameter;
        let has = |letter| flagged.flags.iter().any(|flag: &Flag| flag.letter == letter);
        let asks = has(b't') || has(b'k') || has(b'v');
        if !has(b'P') || !asks || flagged.inner.is_some() || parameter.index.is_some() {
            return Ok(None);
        }
        let ParameterName::Variable(_) = &parameter.name else { return Ok(None) };
        let name: Rc<[u8]> = match self.held(parameter)? {
            Held::One(text) => text.bytes().into(),
            Held::List { items, .. } => items.first().map_or(&b""[..], Text::bytes).into(),
            Held::Unset => return Ok(None),
        };
        if !self.cx.state().dialect.is_name(&name) {
            return Ok(None);
        }
        let mut asked = flagged.clone();
        asked.flags.retain(|flag| flag.letter != b'P');
        asked.parameter.name = ParameterName::Variable(name);
        Ok(Some(asked))
    }

    /// `${${(P)x}[index]}`: an element of the variable whose name x holds.
    fn element_named_by(
        &mut self,
        flagged: &Flagged,
        inner: &Flagged,
        place: Place,
    ) -> Result<Held, Stop> {
        let bare = Flagged { flags: Vec::new(), ..inner.clone() };
        let Held::One(name) = self.flagged_value(&bare, place)? else { return Ok(Held::Unset) };
        let name = ParameterName::Variable(name.bytes().into());
        let parameter = Parameter { name, ..flagged.parameter.clone() };
        self.flagged_value(&Flagged { inner: None, parameter, ..flagged.clone() }, place)
    }

    /// What a name with a subscript means: `h[key]`, `a[2,3]`.
    fn named_element(&mut self, written: &[u8]) -> Result<Held, Stop> {
        if !written.ends_with(b"]") || !written.contains(&b'[') {
            return Ok(Held::Unset);
        }
        let text = [b"${", written, b"}"].concat();
        let state = self.cx.state();
        let source = state.sources.built("(P)", &text);
        let dialect = state.dialect.clone();
        let whole = Span::new(source, 0, text.len());
        let word = Parser::new(&text, source, &dialect).whole_text(whole)?;
        match &word.parts[..] {
            [Part::Flagged(flagged)] => self.flagged_value(flagged, Place::FIELDS),
            [Part::Parameter(parameter)] => self.held(parameter),
            _ => Ok(Held::Unset),
        }
    }

    /// What kind of variable a parameter is: `scalar`, `array-readonly`.
    pub(super) fn kind_of(&mut self, parameter: &Parameter) -> Vec<u8> {
        let ParameterName::Variable(name) = &parameter.name else {
            // Another name of `$*`, which can be assigned.
            let written = self.cx.state().sources.bytes(parameter.span);
            let is_list = written.windows(4).any(|part| part == b"argv");
            let name = parameter.name.to_bytes();
            return kind_of_parameter(if is_list { b"argv" } else { &name });
        };
        freshen(self.cx, name);
        let is_local = self.cx.is_local(name);
        kind_of_variable(self.cx.state(), name, is_local)
    }

    /// `${#x}`: characters of a text, elements of a list; with `(c)` characters, with `(w)` words of all
    /// elements together.
    pub(super) fn flagged_length(&mut self, flagged: &Flagged, held: Held) -> Result<Held, Stop> {
        let parameter = &flagged.parameter;
        let unit =
            flagged.flags.iter().map(|flag| flag.letter).find(|f| matches!(f, b'c' | b'w' | b'W'));
        let held = match (&held, unit) {
            (Held::List { items, .. }, Some(unit)) => {
                let blank = unit == b'c';
                Held::One(if blank {
                    super::whole::joined(items, b" ", parameter.span)
                } else {
                    self.joined_list(items, parameter.span)
                })
            }
            _ => held,
        };
        let count = match &held {
            Held::One(text) if text.has_hole() => return Ok(Held::One(hole_at(parameter.span))),
            Held::Unset => {
                self.unset(parameter)?;
                0
            }
            Held::One(text) if unit == Some(b'w') || unit == Some(b'W') => {
                let separator = flagged.flags.iter().find(|flag| flag.letter == b's');
                let separator = separator.and_then(|flag| flag.arguments.first());
                match separator.filter(|separator| !separator.is_empty()) {
                    Some(separator) => {
                        let words = text.bytes().split_str(&**separator);
                        words.filter(|word| unit == Some(b'W') || !word.is_empty()).count()
                    }
                    None => {
                        let separators = self.cx.state().variables.separators();
                        let separators = separators.as_deref().unwrap_or(b" \t\n");
                        count_words(text.bytes(), separators, unit == Some(b'W'))
                    }
                }
            }
            Held::One(text) => character_count(text.bytes(), self.cx.state().utf8()),
            Held::List { items, .. } => items.len(),
        };
        Ok(Held::One(self.computed(parameter, count.to_string().as_bytes())))
    }
}

/// How many words there are between separators: each ends one, white space only where `all` says so.
fn count_words(text: &[u8], separators: &[u8], all: bool) -> usize {
    let is_space = |byte: &u8| byte.is_ascii_whitespace() && separators.contains(byte);
    let mut rest = if all { text } else { text.trim_with(|one| is_space(&(one as u8))) };
    let mut count = usize::from(!rest.is_empty());
    while let Some(at) = rest.iter().position(|byte| separators.contains(byte)) {
        count += 1;
        let spaces = |rest: &[u8]| match all {
            true => 0,
            false => rest.iter().take_while(|byte| is_space(byte)).count(),
        };
        // White space around another separator belongs to it.
        let mut next = at + spaces(&rest[at..]);
        let is_other = !is_space(&rest[at]);
        if all || is_other || rest.get(next).is_some_and(|byte| separators.contains(byte)) {
            next += 1;
        }
        rest = &rest[next..];
        rest = &rest[spaces(rest)..];
    }
    count
}

/// Whether an expansion is a list between double quotes too.
fn makes_list(part: &Part) -> bool {
    let whole = |parameter: &Parameter| {
        matches!(parameter.index, Some(Subscript::At))
            || parameter.name == ParameterName::Special(b'@')
    };
    let flagged = match part {
        Part::Flagged(flagged) => flagged,
        Part::Parameter(parameter) => return whole(parameter),
        _ => return false,
    };
    let lists = |flag: &Flag| matches!(flag.letter, b's' | b'f' | b'0' | b'z' | b'@' | b'A');
    flagged.splits == Some(true) || flagged.flags.iter().any(lists) || whole(&flagged.parameter)
}

/// Whether an expansion is `${(P)x}` and nothing more.
fn names_value(inner: &Flagged) -> bool {
    matches!(&inner.flags[..], [flag] if flag.letter == b'P')
        && inner.inner.is_none()
        && inner.slice.is_none()
        && inner.modifiers.is_empty()
        && inner.parameter.index.is_none()
        && matches!(inner.parameter.operation, Operation::Value)
        && !inner.measures
        && !inner.tests
}
