//! Parameter expansions with flags, subscripts and modifiers of zsh (observed in zsh 5.9).
//!
//! The order is that of the manual's rules: the value, its subscript, the operation, joining between
//! double quotes, modifiers, joining and splitting by flags, then what changes each element.

use std::rc::Rc;

use crate::expand::flags::{Order, change_each, ordered, quoted_by, quoted_sparingly, split_at};
use crate::expand::parameter::Held;
use crate::expand::pattern::Pattern;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::{Context, Tilde, arithmetic, document, ifs, joined, pattern_text_with};
use crate::source::Span;
use crate::state::Value;
use crate::stop::Stop;
use crate::syntax::ast::{
    Flag, Flagged, Further, Operation, Parameter, ParameterName, Part, Slice, Subscript, Word,
};
use crate::syntax::{Parser, is_name};
use crate::text::{Standing, Text, character_ends, characters};

/// Flags whose effect is not followed.
const UNFOLLOWED: &[u8] = b"%ABDEINSZ_g#";

impl Substitution<'_> {
    /// Expands a parameter with flags and puts it into the word.
    pub(super) fn flagged(&mut self, flagged: &Flagged, place: Place) -> Result<(), Stop> {
        let has = |letter: u8| flagged.flags.iter().any(|flag| flag.letter == letter);
        let parameter = &flagged.parameter;
        if matches!(parameter.operation, Operation::Bad) {
            let message = "bad substitution";
            return Err(Stop::shell(message, parameter.span, 1));
        }
        let mut held = self.flagged_value(flagged, place)?;
        if flagged.tests {
            let set = !matches!(held, Held::Unset);
            let text = self.computed(parameter, if set { b"1" } else { b"0" });
            return self.emit(parameter, Held::One(text), place);
        }
        if has(b'P') {
            held = self.named_value(parameter, held)?;
        }
        let late = !matches!(parameter.operation, Operation::Value);
        if flagged.measures && !late {
            held = self.flagged_length(flagged, held)?;
        }
        let separate = has(b'@')
            || matches!(parameter.index, Some(Subscript::At))
            || parameter.name == ParameterName::Special(b'@');
        if let Held::List { star, .. } = &mut held {
            *star &= !separate;
        }
        if let Held::List { items, .. } = &held
            && place.quoted
            && !separate
        {
            held = Held::One(self.joined_by_flags(flagged, items));
        }
        held = match &parameter.operation {
            Operation::Filter(word) => self.filtered(word, held, has(b'M'))?,
            Operation::Remove { suffix, longest, pattern } if has(b'M') => {
                let pattern = self.compiled(pattern)?;
                self.each(parameter, held, |text| {
                    let kept = super::change::removed(text, &pattern, *suffix, *longest);
                    match *suffix {
                        true => text.slice(kept.len(), text.len()),
                        false => text.slice(0, text.len() - kept.len()),
                    }
                })?
            }
            Operation::Instead { .. } if flagged.measures || !flagged.flags.is_empty() => {
                self.instead_value(parameter, held, place)?
            }
            _ => match self.operate(parameter, held, place)? {
                Some(held) => held,
                None => return Ok(()),
            },
        };
        if flagged.measures && late {
            held = self.flagged_length(flagged, held)?;
        }
        for modifier in &flagged.modifiers {
            held = self.modified_each(parameter, held, modifier)?;
        }
        held = self.by_flags(flagged, held, separate, place)?;
        self.emit_flagged(flagged, held, separate, place)
    }

    /// The value that the expansion begins with.
    fn flagged_value(&mut self, flagged: &Flagged, place: Place) -> Result<Held, Stop> {
        let parameter = &flagged.parameter;
        let keys = flagged.flags.iter().any(|flag| flag.letter == b'k');
        let held = match &flagged.inner {
            Some(inner) => {
                let held = self.inner_value(inner, place)?;
                match &parameter.index {
                    Some(Subscript::Index(index)) => {
                        let at = arithmetic::value(self.cx, index)?;
                        self.element_of(held, at)
                    }
                    _ => held,
                }
            }
            None if parameter.name == ParameterName::Variable([].into()) => Held::Unset,
            None if keys => self.keys_and_values(flagged)?,
            None => match &parameter.index {
                Some(Subscript::Index(index)) if !self.is_keyed(parameter) => {
                    let whole = Parameter { index: None, ..parameter.clone() };
                    let held = self.held(&whole)?;
                    let at = arithmetic::value(self.cx, index)?;
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
                _ => self.held(parameter)?,
            },
        };
        let mut held = match &flagged.slice {
            None => held,
            Some(Slice::Search(letters, pattern)) if self.is_keyed(parameter) => {
                self.searched_keys(flagged, letters, pattern)?
            }
            Some(slice) => self.sliced(flagged, held, slice)?,
        };
        for further in &flagged.further {
            if matches!(held, Held::Unset) {
                return Ok(held);
            }
            held = match further {
                Further::Index(index) => {
                    let at = arithmetic::value(self.cx, index)?;
                    self.element_of(held, at)
                }
                Further::Slice(slice) => self.sliced(flagged, held, slice)?,
            };
        }
        Ok(held)
    }

    fn sliced(&mut self, flagged: &Flagged, held: Held, slice: &Slice) -> Result<Held, Stop> {
        match slice {
            Slice::Range(first, last) => {
                let first = arithmetic::value(self.cx, first)?;
                let last = arithmetic::value(self.cx, last)?;
                Ok(self.ranged(held, first, last))
            }
            Slice::Search(letters, pattern) => self.searched(flagged, held, letters, pattern),
        }
    }

    /// `[(r)pattern]` and its kin in an associative array: `r` and `R` look at values, `i` and `I` at keys,
    /// `k` and `K` take the keys for patterns; capitals find all. With `i` and `I` the keys are the result.
    fn searched_keys(
        &mut self,
        flagged: &Flagged,
        letters: &[u8],
        word: &Word,
    ) -> Result<Held, Stop> {
        let name = flagged.parameter.name.to_bytes();
        let value = self.cx.state().variables.get(&name).map(|one| one.value.clone());
        let Some(Value::Associative(elements)) = value else { return Ok(Held::Unset) };
        let is = |letter: u8| letters.contains(&letter);
        let text = searched_text(self.cx, word)?;
        let rules = self.cx.state().text_pattern_rules();
        let pattern = Pattern::from_text(&text, rules);
        let exact = is(b'e') || !letters.iter().any(|letter| b"rRiIkK".contains(letter));
        let matches = |(key, value): &(&Text, &Text)| {
            let subject = if is(b'r') || is(b'R') { value.bytes() } else { key.bytes() };
            match is(b'k') || is(b'K') {
                true => {
                    let mut pattern = (*key).clone();
                    pattern.set_standing(Standing::Plain);
                    Pattern::from_text(&pattern, rules).matches(text.bytes())
                }
                false if exact => subject == text.bytes(),
                false => pattern.matches(subject),
            }
        };
        let all = is(b'R') || is(b'I') || is(b'K');
        let has = |letter: u8| flagged.flags.iter().any(|flag| flag.letter == letter);
        let keys = has(b'k') || ((is(b'i') || is(b'I')) && !has(b'v'));
        let values = has(b'v') || !keys;
        let mut items = Vec::new();
        for (key, value) in elements.pairs().into_iter().filter(matches) {
            items.extend(keys.then(|| key.clone()));
            items.extend(values.then(|| value.clone()));
            if !all {
                break;
            }
        }
        Ok(match items.len() {
            0 if !all => Held::One(Text::new()),
            1 if !all => Held::One(items.remove(0)),
            _ => Held::List { items, star: true },
        })
    }

    /// The value of `${x:-word}` and its kin, for what is done with it afterwards.
    fn instead_value(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Held, Stop> {
        let before = self.take_current();
        let outcome = self.operate(parameter, held, Place { fields: false, ..place })?;
        let made = self.take_current();
        self.put_current(before)?;
        Ok(outcome.unwrap_or(Held::One(made)))
    }

    /// What another expansion in the place of a name gives.
    fn inner_value(&mut self, inner: &Part, place: Place) -> Result<Held, Stop> {
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
            let pieces = Substitution::run(self.cx, &word, Place { fields: true, ..inside })?;
            let mut items: Vec<Text> = pieces.into_iter().map(|piece| piece.text).collect();
            // One part alone is no list, nor is it one with another subscript behind it.
            return Ok(match items.len() {
                1 if !asks_separate(inner) => Held::One(items.remove(0)),
                _ => Held::List { items, star: true },
            });
        }
        if place.quoted || matches!(inner, Part::Double { .. }) {
            let pieces = Substitution::run(self.cx, &word, Place { fields: false, ..inside })?;
            return Ok(Held::One(joined(pieces)));
        }
        let pieces = Substitution::run(self.cx, &word, inside)?;
        let mut items = super::split_all(self.cx, pieces, &word)?;
        Ok(match items.len() {
            0 => Held::One(Text::new()),
            1 => Held::One(items.remove(0)),
            _ => Held::List { items, star: true },
        })
    }

    /// Whether quotes in the place of a name hold nothing but one `${...}`, `$(...)` or `$((...))`.
    fn is_one_expansion(&mut self, parts: &[Part]) -> bool {
        let [part] = parts else { return parts.is_empty() };
        let written = self.cx.state().sources.bytes(part.span());
        written.starts_with(b"${") || written.starts_with(b"$(")
    }

    fn is_keyed(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let variable = self.cx.state().variables.get(name);
        matches!(variable.map(|one| &one.value), Some(Value::Associative(_)))
    }

    fn is_list(&mut self, parameter: &Parameter) -> bool {
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

    /// The element with an index from 1, or from the end; of one value, a character.
    fn element_of(&mut self, held: Held, at: i64) -> Held {
        match self.ranged(held, at, at) {
            Held::List { mut items, .. } => match items.len() {
                0 => Held::Unset,
                _ => Held::One(items.remove(0)),
            },
            held => held,
        }
    }

    fn ranged(&mut self, held: Held, first: i64, last: i64) -> Held {
        let bounds = |count: usize| {
            let place = |at: i64| if at < 0 { at.saturating_add(count as i64 + 1) } else { at };
            let (low, high) = (place(first), place(last).min(count as i64));
            // An index of 0 means the first one only where a range begins.
            let low = if low == 0 && first != last { 1 } else { low };
            (low >= 1 && low <= high).then(|| (low as usize - 1, high as usize))
        };
        match held {
            Held::Unset => Held::Unset,
            Held::One(text) => {
                let ends = character_ends(text.bytes(), true);
                match bounds(ends.len() - 1) {
                    Some((low, high)) => Held::One(text.slice(ends[low], ends[high])),
                    None => Held::One(Text::new()),
                }
            }
            Held::List { items, star } => match bounds(items.len()) {
                Some((low, high)) => Held::List { items: items[low..high].to_vec(), star },
                None => Held::List { items: Vec::new(), star },
            },
        }
    }

    /// `[(r)pattern]`: the first element that matches; with `i`, its index.
    fn searched(
        &mut self,
        flagged: &Flagged,
        held: Held,
        letters: &[u8],
        word: &Word,
    ) -> Result<Held, Stop> {
        let items = match held {
            Held::List { items, .. } => items,
            Held::One(text) if letters.contains(&b'w') => words_of(&text),
            Held::One(text) if letters.iter().any(|letter| b"rRiI".contains(letter)) => {
                return self.searched_in_text(flagged, &text, letters, word);
            }
            Held::One(text) => characters(&text),
            Held::Unset => Vec::new(),
        };
        if !letters.iter().any(|letter| b"rRiIkK".contains(letter)) {
            let index = searched_text(self.cx, word)?;
            let span = word.span;
            let at = arithmetic::text_value(self.cx.state(), index.bytes(), span)?;
            // Behind the last word there is the last word.
            let at = at.min(items.len() as i64);
            return Ok(self.element_of(Held::List { items, star: true }, at));
        }
        let place = place_found(self.cx, &items, letters, word)?;
        if letters.iter().any(|letter| matches!(letter, b'i' | b'I')) {
            let index = place.to_string();
            return Ok(Held::One(self.computed(&flagged.parameter, index.as_bytes())));
        }
        let found = usize::try_from(place - 1).ok().and_then(|at| items.get(at));
        Ok(Held::One(found.cloned().unwrap_or_default()))
    }

    /// `[(i)pattern]` in one text: the place of the first stretch that matches, with `r` its first character.
    fn searched_in_text(
        &mut self,
        flagged: &Flagged,
        text: &Text,
        letters: &[u8],
        word: &Word,
    ) -> Result<Held, Stop> {
        let searched = searched_text(self.cx, word)?;
        let pattern = Pattern::from_text(&searched, self.cx.state().text_pattern_rules());
        let ends = character_ends(text.bytes(), true);
        let count = ends.len() - 1;
        let begins = |at: &usize| {
            let ends = pattern.prefix_ends(&text.bytes()[ends[*at]..]);
            ends.iter().any(|&end| end > 0)
        };
        let from_end = letters.iter().any(|letter| matches!(letter, b'R' | b'I'));
        let (found, missing) = match from_end {
            true => ((0..count).rev().find(begins), 0),
            false => ((0..count).find(begins), count + 1),
        };
        if letters.iter().any(|letter| matches!(letter, b'i' | b'I')) {
            let place = found.map_or(missing, |at| at + 1);
            return Ok(Held::One(self.computed(&flagged.parameter, place.to_string().as_bytes())));
        }
        let character = |at: usize| text.slice(ends[at], ends[at + 1]);
        Ok(Held::One(found.map_or_else(Text::new, character)))
    }

    /// `(P)`: the value is the name of the parameter that is meant.
    fn named_value(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        let Held::One(text) = held else { return Ok(held) };
        let name: Rc<[u8]> = text.bytes().into();
        let name = match &*name {
            digits if !digits.is_empty() && digits.iter().all(u8::is_ascii_digit) => {
                let number = String::from_utf8_lossy(digits).parse().unwrap_or(usize::MAX);
                ParameterName::Positional(number)
            }
            _ if is_name(&name) => ParameterName::Variable(name),
            _ => return Ok(Held::Unset),
        };
        let operation = Operation::Value;
        self.held(&Parameter { name, index: None, operation, ..parameter.clone() })
    }

    /// `${#x}`: characters of a text, elements of a list; with `(c)` characters, with `(w)` words of all
    /// elements together.
    fn flagged_length(&mut self, flagged: &Flagged, held: Held) -> Result<Held, Stop> {
        let parameter = &flagged.parameter;
        let unit = flagged.flags.iter().map(|flag| flag.letter).find(|f| matches!(f, b'c' | b'w'));
        let held = match (&held, unit) {
            (Held::List { items, .. }, Some(_)) => {
                Held::One(super::whole::joined(items, b" ", parameter.span))
            }
            _ => held,
        };
        let count = match &held {
            Held::One(text) if text.has_hole() => return Ok(held),
            Held::Unset => {
                self.unset(parameter)?;
                0
            }
            Held::One(text) if unit == Some(b'w') => {
                text.bytes().split(u8::is_ascii_whitespace).filter(|word| !word.is_empty()).count()
            }
            Held::One(text) => character_ends(text.bytes(), true).len() - 1,
            Held::List { items, .. } => items.len(),
        };
        Ok(Held::One(self.computed(parameter, count.to_string().as_bytes())))
    }

    /// `${x:#pattern}`
    fn filtered(&mut self, word: &Word, held: Held, keeps: bool) -> Result<Held, Stop> {
        let pattern = self.compiled(word)?;
        let stays = |text: &Text| pattern.matches(text.bytes()) == keeps;
        Ok(match held {
            Held::Unset => Held::Unset,
            Held::One(text) if stays(&text) => Held::One(text),
            Held::One(_) => Held::One(Text::new()),
            Held::List { items, star } => {
                Held::List { items: items.into_iter().filter(stays).collect(), star }
            }
        })
    }

    pub(super) fn compiled(&mut self, word: &Word) -> Result<Pattern, Stop> {
        compiled(self.cx, word)
    }

    /// A list as one text, with what `(j)` or `(F)` names between the elements.
    fn joined_by_flags(&mut self, flagged: &Flagged, items: &[Text]) -> Text {
        let span = flagged.parameter.span;
        let joins = flagged.flags.iter().find(|flag| matches!(flag.letter, b'j' | b'F'));
        match joins {
            Some(flag) => super::whole::joined(items, joiner(flag), span),
            None => self.joined_list(items, span),
        }
    }

    /// Joining, splitting, ordering and what changes each element, as the flags say.
    fn by_flags(
        &mut self,
        flagged: &Flagged,
        held: Held,
        separate: bool,
        place: Place,
    ) -> Result<Held, Stop> {
        let mut held = held;
        let span = flagged.parameter.span;
        let quoted = place.quoted;
        for flag in &flagged.flags {
            match flag.letter {
                b'j' | b'F' => {
                    if let Held::List { items, .. } = &held {
                        held = Held::One(super::whole::joined(items, joiner(flag), span));
                    }
                }
                b's' | b'f' | b'0' | b'z' if place.fields => {
                    held = self.split_by_flag(flag, held, separate, place, span);
                }
                _ => {}
            }
        }
        if flagged.splits == Some(true) && quoted && place.fields {
            held = self.split_value(flagged, held)?;
        }
        let order = Order::of(&flagged.flags);
        if let Held::List { items, star } = held {
            held = Held::List { items: ordered(items, order), star };
        }
        for flag in &flagged.flags {
            if flag.letter == b't' {
                let kind = self.kind_of(&flagged.parameter);
                held = Held::One(self.computed(&flagged.parameter, kind.as_bytes()));
            }
            if matches!(flag.letter, b'l' | b'r') && matches!(held, Held::Unset) {
                held = Held::One(Text::new());
            }
            if flag.letter == b'e' {
                held = self.expanded_again(held, span)?;
            }
            if UNFOLLOWED.contains(&flag.letter) {
                self.cx.missing("what this flag of an expansion gives", span);
            }
            held = self.each(&flagged.parameter, held, |text| change_each(text, flag))?;
        }
        let sparing = flagged.flags.iter().find(|flag| matches!(flag.letter, b'-' | b'+'));
        match flagged.flags.iter().filter(|flag| flag.letter == b'q').count() {
            0 => Ok(held),
            1 if let Some(sign) = sparing => {
                self.each(&flagged.parameter, held, |text| quoted_sparingly(text, sign.letter))
            }
            times => self.each(&flagged.parameter, held, |text| quoted_by(text, times)),
        }
    }

    /// `(e)`: parameters, commands and arithmetic in the value are expanded, as in a here-document.
    fn expanded_again(&mut self, held: Held, span: Span) -> Result<Held, Stop> {
        let mut again = |text: Text| -> Result<Text, Stop> {
            if text.has_hole() || !text.bytes().iter().any(|byte| b"$`\\".contains(byte)) {
                return Ok(text);
            }
            let state = self.cx.state();
            let source = state.sources.built("(e)", text.bytes());
            let whole = Span::new(source, 0, text.len());
            let dialect = state.dialect.clone();
            match Parser::new(text.bytes(), source, &dialect).whole_text(whole) {
                Ok(word) => document(self.cx, &word),
                Err(error) => Err(self.cx.state().mistake(error.to_string(), span, 1)),
            }
        };
        Ok(match held {
            Held::Unset => Held::Unset,
            Held::One(text) => Held::One(again(text)?),
            Held::List { items, star } => {
                Held::List { items: items.into_iter().map(again).collect::<Result<_, _>>()?, star }
            }
        })
    }

    /// `(s)` and its kin. Without `(@)` only the first and the last part may be empty.
    fn split_by_flag(
        &mut self,
        flag: &Flag,
        held: Held,
        separate: bool,
        place: Place,
        span: Span,
    ) -> Held {
        let separator = match flag.letter {
            b's' => flag.arguments.first().map_or(&b""[..], |text| text),
            b'f' => b"\n",
            b'0' => b"\0",
            _ => b" ",
        };
        let whole = match held {
            Held::Unset => return held,
            Held::One(text) => vec![text],
            Held::List { items, .. } if separate && place.quoted => items,
            Held::List { items, .. } => vec![self.joined_list(&items, span)],
        };
        let mut items: Vec<Text> =
            whole.iter().flat_map(|text| split_at(text, separator)).collect();
        let last = items.len().saturating_sub(1);
        let drops_all = flag.letter == b'z';
        if drops_all || !separate {
            let mut at = 0;
            items.retain(|item| {
                let is_edge = at == 0 || at == last;
                at += 1;
                !item.is_empty() || (is_edge && !drops_all)
            });
        }
        Held::List { items, star: false }
    }

    /// `${=x}`: split at IFS.
    fn split_value(&mut self, flagged: &Flagged, held: Held) -> Result<Held, Stop> {
        let span = flagged.parameter.span;
        let mut text = match held {
            Held::Unset => return Ok(Held::Unset),
            Held::One(text) => text,
            Held::List { items, .. } => self.joined_list(&items, span),
        };
        text.set_standing(Standing::Inert);
        let ifs = ifs(self.cx.state());
        let items = super::split_value(text, &ifs, self.cx.state());
        Ok(Held::List { items, star: false })
    }

    fn kind_of(&mut self, parameter: &Parameter) -> &'static str {
        let ParameterName::Variable(name) = &parameter.name else { return "scalar-special" };
        match self.cx.state().variables.get(name).map(|one| &one.value) {
            None | Some(Value::Nothing) => "",
            Some(Value::Scalar(_)) => "scalar",
            Some(Value::Indexed(_)) => "array",
            Some(Value::Associative(_)) => "association",
        }
    }

    fn emit_flagged(
        &mut self,
        flagged: &Flagged,
        held: Held,
        separate: bool,
        place: Place,
    ) -> Result<(), Stop> {
        let standing = match flagged.forms_patterns {
            _ if flagged.splits == Some(true) => Standing::Inert,
            Some(true) if !place.quoted => Standing::Value,
            _ => Standing::Quoted,
        };
        let splits =
            flagged.flags.iter().any(|flag| matches!(flag.letter, b's' | b'f' | b'0' | b'z'))
                || flagged.splits == Some(true);
        let distributes = flagged.distributes.unwrap_or(place.distributes);
        let place = Place { expansion: standing, distributes, ..place };
        match held {
            Held::List { items, .. } => {
                let star = !(separate || splits);
                self.emit(&flagged.parameter, Held::List { items, star }, place)
            }
            held => self.emit(&flagged.parameter, held, place),
        }
    }
}

/// Whether an expansion is a list between double quotes too.
fn makes_list(part: &Part) -> bool {
    let Part::Flagged(flagged) = part else { return false };
    let lists = |flag: &Flag| matches!(flag.letter, b's' | b'f' | b'0' | b'z' | b'@');
    flagged.splits == Some(true) || flagged.flags.iter().any(lists)
}

fn asks_separate(part: &Part) -> bool {
    matches!(part, Part::Flagged(flagged) if flagged.flags.iter().any(|flag| flag.letter == b'@'))
}

/// What `(j:...:)` or `(F)` puts between elements.
fn joiner(flag: &Flag) -> &[u8] {
    match flag.letter {
        b'F' => b"\n",
        _ => flag.arguments.first().map_or(&b""[..], |text| text),
    }
}

/// The pattern that a word is.
pub(crate) fn compiled(cx: &mut dyn Context, word: &Word) -> Result<Pattern, Stop> {
    let text = pattern_text_with(cx, word, Tilde::InOperation)?;
    let rules = cx.state().text_pattern_rules();
    Ok(Pattern::from_text(&text, rules))
}

/// The words of a text, which white space separates.
fn words_of(text: &Text) -> Vec<Text> {
    let bytes = text.bytes();
    let is_blank = |at: usize| bytes.get(at).is_none_or(u8::is_ascii_whitespace);
    let begins = (0..bytes.len()).filter(|&at| !is_blank(at) && (at == 0 || is_blank(at - 1)));
    begins
        .map(|from| {
            let end = (from..=bytes.len()).find(|&at| is_blank(at)).unwrap_or(from);
            text.slice(from, end)
        })
        .collect()
}

/// What a subscript searches for: its quotes belong to it, and what is expanded in it forms patterns.
fn searched_text(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let written = cx.state().sources.bytes(word.span).to_vec();
    let dialect = cx.state().dialect.clone();
    let word = Parser::new(&written, word.span.source, &dialect).whole_text(word.span)?;
    let mut text = document(cx, &word)?;
    text.set_standing(Standing::Plain);
    Ok(text)
}

/// The number of the first element that matches, or with `R` or `I` of the last; if none does, one
/// beyond them on that side.
pub(crate) fn place_found(
    cx: &mut dyn Context,
    items: &[Text],
    letters: &[u8],
    word: &Word,
) -> Result<i64, Stop> {
    let searched = searched_text(cx, word)?;
    let pattern = Pattern::from_text(&searched, cx.state().text_pattern_rules());
    let exact = letters.contains(&b'e');
    let matches = |text: &Text| match exact {
        true => text.bytes() == searched.bytes(),
        false => pattern.matches(text.bytes()),
    };
    let from_end = letters.iter().any(|letter| matches!(letter, b'R' | b'I'));
    let (found, missing) = match from_end {
        true => (items.iter().rposition(matches), 0),
        false => (items.iter().position(matches), items.len() + 1),
    };
    Ok(found.map_or(missing, |at| at + 1) as i64)
}
