//! The variables and elements that an expression reads and assigns.

use crate::dialect::{KeyQuoting, LargeConstant, TakesBase};
use crate::expand::arithmetic::{Evaluation, MAX_DEPTH, index_value, parse, refuse};
use crate::expand::disciplines;
use crate::expand::modifiers::unescaped;
use crate::expand::number::Number;
use crate::expand::parameter::index_text;
use crate::expand::subscripts::range_of;
use crate::lineage::{Hop, Origin, Rule};
use crate::real::Real;
use crate::source::Span;
use crate::state::{
    BEFORE_START, Digits, Keeps, Key, State, Value, is_made_by_reading, made_by_reading,
};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::arithmetic::{self, Target, written_base};
use crate::syntax::{ENDS_ELSEWHERE, has_expansions, is_index_text};
use crate::text::{Standing, Text, character_ends};
use bstr::ByteSlice;
use std::borrow::Cow;
use std::rc::Rc;

impl Evaluation<'_> {
    /// The key that an index stands for.
    fn key(&mut self, name: &[u8], index: &[u8]) -> Result<Key, Stop> {
        if !is_index_text(index, &self.dialect) {
            return Err(refuse(self.cx.state(), ENDS_ELSEWHERE, self.span));
        }
        let keyed = self.cx.state().variables.is_keyed(name);
        if self.dialect.arithmetic_indexes_expand && has_expansions(index) {
            let span = self.span;
            let text = index_text(self.cx, index, keyed).map_err(|stop| match stop {
                Stop::Syntax(error) => refuse(self.cx.state(), &error.to_string(), span),
                stop => stop,
            })?;
            return match keyed {
                true => Ok(Key::Text(text)),
                false => self.cx.state().element_key(name, text.bytes(), span),
            };
        }
        if self.dialect.empty_index_is_mistake && index.is_empty() {
            return Err(refuse(self.cx.state(), "there is no index in the brackets", self.span));
        }
        let has_quotes = index.contains(&b'\'');
        let is_written = self.is_written && self.cx.state().values_read == 0;
        if keyed && !self.is_written && self.cx.state().values_read == 0 && index.contains(&b'\\') {
            let kept = match self.dialect.key_quoting {
                KeyQuoting::Stays => index.to_vec(),
                KeyQuoting::Backslashes | KeyQuoting::All => unescaped(index),
            };
            return self.cx.state().element_key(name, &kept, self.span);
        }
        let drops =
            self.dialect.arithmetic_indexes_drop_quotes && has_quotes && !keyed && is_written;
        let index: Cow<'_, [u8]> = match drops {
            true => index.iter().copied().filter(|&byte| byte != b'\'').collect(),
            false => index.into(),
        };
        // Names in it are taken for those in a value, which must be set.
        let deeper = u32::from(self.dialect.arithmetic_index_names_must_be_set);
        let state = self.cx.state();
        state.values_read += deeper;
        let key = state.element_key(name, &index, self.span);
        state.values_read -= deeper;
        key
    }

    /// The variable that a target means, where a way with indexes on it leads there.
    pub(super) fn at_end_of_way<'a>(
        &mut self,
        target: &'a Target,
    ) -> Result<Cow<'a, Target>, Stop> {
        if !self.dialect.compound_variables {
            return Ok(Cow::Borrowed(target));
        }
        if target.name.contains(&b'.') && (self.minds_parents || self.cx.state().values_read > 0) {
            self.cx.state().check_parent(&target.name, self.span)?;
        }
        if !target.name.contains(&b'[') {
            return Ok(Cow::Borrowed(target));
        }
        let name = match has_expansions(&target.name) {
            true => {
                let text = index_text(self.cx, &target.name, false)?;
                self.cx.state().path_of(text.bytes(), self.span)?
            }
            false => self.cx.state().path_of(&target.name, self.span)?,
        };
        Ok(Cow::Owned(Target { name, ..target.clone() }))
    }

    /// The key of the element that a target is; none where it is none, or is not looked up by a key.
    pub(super) fn key_of(&mut self, target: &Target) -> Result<Option<Key>, Stop> {
        let Some(index) = &target.index else { return Ok(None) };
        if self.is_no_index(&target.name, index) || self.has_characters(&target.name) {
            return Ok(None);
        }
        match self.cx.state().is_idle_index(&target.name) {
            true => Ok(None),
            false => self.key(&target.name, index).map(Some),
        }
    }

    /// Whether an index names no element: what it would be is 0, and keeps nothing.
    fn is_no_index(&mut self, array: &[u8], index: &[u8]) -> bool {
        match index {
            b"@" | b"*" => {
                self.dialect.whole_array_is_zero && !self.cx.state().variables.is_keyed(array)
            }
            b"" => self.dialect.empty_index_is_no_name,
            _ => false,
        }
    }

    /// The value of a variable, or of an element whose key may be known already.
    pub(super) fn get(&mut self, target: &Target, key: Option<&Key>) -> Result<Number, Stop> {
        let value = match key {
            Some(key) => self.element(target, key)?,
            None => self.looked_up(target)?,
        };
        if self.dialect.integers_take_base == TakesBase::OfValue
            && let Some(Keeps::Integer(digits)) =
                self.cx.state().variables.get(&target.name).map(|one| one.keeps)
        {
            self.carried = (digits.base != 0).then_some(digits.base);
        }
        Ok(self.fit(value))
    }

    /// Whether an index takes characters of the value.
    fn has_characters(&mut self, name: &[u8]) -> bool {
        let variables = &self.cx.state().variables;
        self.dialect.arithmetic_indexes_take_characters
            && variables.scalar(name).is_some()
            && !variables.is_array(name)
    }

    /// Whether a variable keeps a number, of which an index takes no part.
    fn keeps_number(&mut self, name: &[u8]) -> bool {
        let keeps = self.cx.state().variables.get(name).map(|one| one.keeps);
        self.dialect.numbers_have_no_characters
            && matches!(keeps, Some(Keeps::Integer(_) | Keeps::Real { .. }))
    }

    /// The characters of a value that `[3]` or `[2,3]` takes.
    fn characters_of(&mut self, name: &[u8], index: &[u8]) -> Result<Text, Stop> {
        let mut place = |written: &[u8]| {
            let number = index_value(self.cx, written, self.span)?;
            Ok::<i64, Stop>(self.cx.state().index(number))
        };
        let (first, last) = match index.split_once_str(",") {
            Some((first, last)) => (place(first)?, place(last)?),
            None => {
                let only = place(index)?;
                (only, only)
            }
        };
        let state = self.cx.state();
        let Some(value) = state.variables.scalar(name) else { return Ok(Text::new()) };
        let ends = character_ends(value.bytes(), state.utf8());
        Ok(match range_of(first, last, ends.len() - 1) {
            Some((low, high)) => value.slice(ends[low], ends[high]),
            None => Text::new(),
        })
    }

    fn looked_up(&mut self, target: &Target) -> Result<Number, Stop> {
        self.carried = Some(0);
        let is_empty = |index: &[u8]| index.trim_ascii().is_empty();
        if self.dialect.empty_index_is_mistake
            && target.index.as_deref().is_some_and(is_empty)
            && self.cx.state().variables.get(&target.name).is_some()
        {
            return Err(refuse(self.cx.state(), "there is no index in the brackets", self.span));
        }
        if target.index.is_none()
            && let Some(meant) = self.cx.state().variables.meant(&target.name)
            && let Some((name, index)) = self.cx.state().element_in(&meant)
        {
            let element = Target { name: name.into(), index: Some(index.into()), is_last: true };
            return self.get(&element, None);
        }
        self.cx.state().check_meant(&target.name, self.span)?;
        let keeps = self.cx.state().variables.disciplined(&target.name).map(|one| one.keeps);
        if let Some(keeps) = keeps
            && let Some(shown) =
                disciplines::shown(self.cx, &target.name, target.index.as_deref(), self.span)?
            && keeps == Keeps::Text
        {
            return self.number_of(&shown);
        }
        let state = self.cx.state();
        match state.variables.get(&target.name) {
            Some(variable) if !variable.own => {
                if let (None, Value::Scalar(_), Some(real)) =
                    (&target.index, &variable.value, variable.real)
                {
                    return Ok(Number::Real(real));
                }
                if let (None, Value::Scalar(text)) = (&target.index, &variable.value) {
                    if let Some(number) = plain_number(text.bytes())
                        && variable.field.is_none()
                    {
                        self.carried = Some(10);
                        return Ok(Number::Whole(number));
                    }
                    let text = match (&variable.given, variable.keeps) {
                        (Some(number), Keeps::Integer(_)) => (**number).clone(),
                        _ => text.clone(),
                    };
                    return self.number_of(&text);
                }
            }
            _ => {
                if let Some(what) = state.freshen(&target.name) {
                    self.cx.missing(what, self.span);
                    return Ok(Number::Unknown);
                }
            }
        }
        let index = target.index.as_ref().filter(|_| !self.keeps_number(&target.name));
        let text = match index {
            None if self.dialect.names_mean_lists
                && self.cx.state().variables.is_array(&target.name) =>
            {
                let values = self.cx.state().variables.values(&target.name);
                let texts: Vec<&[u8]> = values.iter().map(Text::bytes).collect();
                Some(Text::from_bytes(
                    texts.join(&b' '),
                    Standing::Quoted,
                    self.cx.state().shell_origin(),
                ))
            }
            None => self.cx.state().scalar(&target.name).cloned(),
            Some(index) if self.is_no_index(&target.name, index) => return Ok(Number::Whole(0)),
            Some(_) if self.cx.state().is_idle_index(&target.name) => None,
            Some(index) if self.has_characters(&target.name) => {
                Some(self.characters_of(&target.name, index)?)
            }
            Some(index) => {
                let key = self.key(&target.name, index)?;
                let state = self.cx.state();
                let must_be_there = self.dialect.arithmetic_value_names_must_be_set
                    && target.is_last
                    && state.values_read > 0
                    && key == Key::Number(0);
                if must_be_there && !self.forgives && state.variables.get(&target.name).is_none() {
                    return Err(self.not_set(target));
                }
                return self.element(target, &key);
            }
        };
        match text {
            Some(text) => self.number_of(&text),
            None => self.unset(target),
        }
    }

    /// The value of an element.
    fn element(&mut self, target: &Target, key: &Key) -> Result<Number, Stop> {
        self.carried = Some(0);
        if self.dialect.early_index_is_mistake && matches!(key, Key::Number(..0)) {
            let variables = &self.cx.state().variables;
            if !variables.is_array(&target.name) || variables.lies_before(&target.name, key) {
                return Err(refuse(self.cx.state(), BEFORE_START, self.span).in_index());
            }
        }
        let is_first = matches!(key, Key::Number(0));
        if is_first && self.cx.state().variables.is_empty_compound(&target.name) {
            // From now on it is an array, with one empty element.
            let name = &target.name;
            let empty = self.cx.state().shell_text(b"");
            let variable = self.cx.state().variables.entry(name);
            variable.value = Value::Indexed([(0, empty)].into());
            return self.unset(target);
        }
        if self.dialect.reading_makes_elements {
            self.make_by_reading(target, key);
        }
        match self.cx.state().variables.element(&target.name, key).cloned() {
            Some(text) if !is_made_by_reading(&text) => self.number_of(&text),
            _ => self.unset(target),
        }
    }

    /// Makes an element that is only read. What is no array becomes one; for the element 0 of
    /// that only where the expression goes on.
    fn make_by_reading(&mut self, target: &Target, key: &Key) {
        let state = self.cx.state();
        let variable = state.variables.get(&target.name);
        let is_text = variable
            .is_none_or(|one| !one.own && matches!(one.value, Value::Nothing | Value::Scalar(_)));
        let is_array =
            state.variables.is_array(&target.name) && variable.is_some_and(|one| !one.bare);
        let is_number = variable.is_some_and(|one| matches!(one.keeps, Keeps::Integer(_)));
        let made = match (key, state.variables.element(&target.name, key)) {
            (Key::Number(0), Some(text)) if is_text && !target.is_last => text.clone(),
            (Key::Number(0), _) if !is_array && target.is_last => return,
            (Key::Number(..0), _) | (_, Some(_)) => return,
            (Key::Number(_), None) if is_number && !is_array => state.shell_text(b"0"),
            (_, None) => made_by_reading(&target.name, self.span),
        };
        if is_text || state.variables.is_array(&target.name) {
            state.variables.set_element(&target.name, key.clone(), made);
        }
    }

    /// What is not set is 0, or a mistake.
    fn unset(&mut self, target: &Target) -> Result<Number, Stop> {
        let is_member = target.name.iter().skip(1).any(|&byte| byte == b'.');
        if is_member && self.compares {
            return Err(refuse(self.cx.state(), "a comparison has no members", self.span));
        }
        let (dialect, state) = (&self.dialect, self.cx.state());
        // An element is not minded where others are set.
        let minds = state.options.no_unset
            && dialect.arithmetic_minds_unset
            && (target.index.is_none() || state.variables.get(&target.name).is_none());
        let must_be_set =
            dialect.arithmetic_value_names_must_be_set && !is_member && target.index.is_none();
        let refused = minds || (state.values_read > 0 && must_be_set);
        match refused && !self.forgives {
            true => Err(self.not_set(target)),
            false => Ok(Number::Whole(0)),
        }
    }

    fn not_set(&mut self, target: &Target) -> Stop {
        let (dialect, state) = (&self.dialect, self.cx.state());
        let name = String::from_utf8_lossy(&target.name).into_owned();
        let status = state.unset_status();
        let goes_through = dialect.unset_goes_through;
        let error = ShellError::new(format!("{name} is not set"), self.span, status, Reach::Shell);
        Stop::Shell(ShellError { goes_through, ..error })
    }

    /// The number that a variable's value stands for, if it is known.
    fn number_of(&mut self, value: &Text) -> Result<Number, Stop> {
        if value.has_hole() {
            self.cx.missing("a number in an arithmetic expression", self.span);
            return Ok(Number::Unknown);
        }
        Ok(match self.number(value.bytes())? {
            Number::Real(real) if self.dialect.whole_values_are_no_reals => {
                real.exact().filter(|_| !real.is_zero()).map_or(Number::Real(real), Number::Whole)
            }
            number => number,
        })
    }

    /// The number that these bytes stand for.
    pub(super) fn number(&mut self, value: &[u8]) -> Result<Number, Stop> {
        let blanks = match self.dialect.arithmetic_recursive {
            true => self.dialect.arithmetic_blanks.as_bytes(),
            false => b" \t\n\x0b\x0c\r",
        };
        let trimmed = value.trim_with(|one| one.is_ascii() && blanks.contains(&(one as u8)));
        let (negative, digits) = match trimmed {
            [b'-', digits @ ..] => (true, digits),
            [b'+', digits @ ..] => (false, digits),
            digits => (false, digits),
        };
        // Digits that may be too many for a whole number make a real, where the shell has it so.
        let makes_real =
            self.dialect.arithmetic_large_constant == LargeConstant::Real && digits.len() > 18;
        if digits.first().is_some_and(u8::is_ascii_digit)
            && !makes_real
            && let Some(value) = arithmetic::constant(digits, &self.dialect)
        {
            if self.dialect.large_values_are_refused && is_out_of_range(digits, negative) {
                let shown = String::from_utf8_lossy(trimmed).into_owned();
                return Err(refuse(self.cx.state(), &format!("`{shown}` is no number"), self.span));
            }
            self.carried = written_base(digits, &self.dialect).or(Some(10));
            let saturates = self.dialect.arithmetic_large_constant == LargeConstant::Saturates;
            if negative && saturates && is_out_of_range(digits, false) {
                return Ok(Number::Whole(i64::MIN));
            }
            if negative && value == 0 && self.dialect.minus_zero {
                return Ok(Number::MinusZero);
            }
            return Ok(Number::Whole(if negative { value.wrapping_neg() } else { value }));
        }
        if trimmed.is_empty() {
            return Ok(Number::Whole(0));
        }
        if !self.dialect.arithmetic_recursive {
            let shown = String::from_utf8_lossy(value).into_owned();
            return Err(refuse(self.cx.state(), &format!("`{shown}` is no number"), self.span));
        }
        if self.cx.state().values_read >= MAX_DEPTH {
            let wrong = "the variables lead to each other without end";
            return Err(refuse(self.cx.state(), wrong, self.span));
        }
        self.cx.state().values_read += 1;
        let read = parse(self.cx, value, self.span);
        let value = read.and_then(|expression| self.value(&expression));
        self.cx.state().values_read -= 1;
        let ends = self.dialect.arithmetic_value_mistake_ends;
        value.map_err(|stop| match stop {
            Stop::Shell(error) if ends => Stop::Shell(ShellError { goes_through: true, ..error }),
            stop => stop,
        })
    }

    /// Assigns to a variable, or to an element whose key may be known already.
    pub(super) fn set(
        &mut self,
        target: &Target,
        key: Option<Key>,
        value: Number,
    ) -> Result<Number, Stop> {
        // A variable keeps a number with a sign.
        let stored = match value {
            Number::Whole(value) if self.unsigned => Number::Whole(i64::from(value as i32)),
            value => value,
        };
        let shown = match stored {
            Number::Unknown => None,
            Number::MinusZero => Some("-0".into()),
            stored => Some(stored.shown(self.dialect.arithmetic_reals)),
        };
        if target.index.as_deref().is_some_and(<[u8]>::is_empty)
            && self.dialect.empty_index_is_no_name
        {
            return Ok(value);
        }
        let text = number_text(shown, self.span, &target.name);
        let key = match (key, &target.index) {
            (None, Some(index)) => Some(self.key(&target.name, index)?),
            (key, _) => key,
        };
        let is_new = self.dialect.arithmetic_makes_numbers
            && key.is_none()
            && self.cx.state().variables.get(&target.name).is_none_or(|one| {
                self.dialect.names_mean_lists && matches!(one.value, Value::Indexed(_))
            });
        if is_new {
            self.cx.state().variables.clear(&target.name);
            self.cx.state().variables.entry(&target.name).keeps = match value {
                Number::Whole(_) | Number::MinusZero => {
                    Keeps::Integer(Digits::of(self.base.unwrap_or_default()))
                }
                Number::Real(_) => Keeps::Real { letter: b'f', digits: 10, long: false },
                Number::Unknown => Keeps::Text,
            };
        }
        if let Some(key) = &key
            && self.dialect.expressions_pass_early_indexes
            && self.cx.state().variables.lies_before(&target.name, key)
        {
            let ends = self.dialect.told_mistakes_end_shells;
            if ends && self.cx.state().options.exit_on_error {
                return Err(Stop::error(BEFORE_START, self.span, 1, Reach::Shell));
            }
            return Ok(value);
        }
        let is_whole = key.is_none();
        let base = match self.dialect.integers_take_base {
            TakesBase::OfValue => self.carried.filter(|&base| base != 0),
            _ => self.base,
        };
        let (name, span) = (&target.name, self.span);
        if let Some(text) = disciplines::assigned(self.cx, name, key.as_ref(), text, span)? {
            let stored = self.cx.state().store_number(name, key, text, base, span);
            stored.map_err(|stop| stop.of_expression(self.dialect.arithmetic_status))?;
        }
        let keeps = self.cx.state().variables.get(&target.name).map(|one| one.keeps);
        let makes_reals = self.dialect.arithmetic_makes_numbers;
        Ok(match (keeps.filter(|_| is_whole), value) {
            (Some(Keeps::Integer(_)), Number::MinusZero) => Number::Whole(0),
            (Some(Keeps::Integer(digits)), Number::Whole(_) | Number::Real(_)) => {
                Number::Whole(digits.kept(value.whole().into(), false))
            }
            (Some(Keeps::Real { .. }), Number::Whole(_)) if makes_reals => {
                Number::Real(value.real(self.dialect.extended_reals))
            }
            _ => value,
        })
    }
}

/// The real -0 that a value is which is a minus sign and zeros, where the shell takes it for that.
pub(crate) fn minus_zero(text: &[u8], state: &State) -> Option<Real> {
    let zeros = text.strip_prefix(b"-").filter(|_| state.dialect.minus_zero)?;
    let is_one = !zeros.is_empty() && zeros.iter().all(|&byte| byte == b'0');
    is_one.then(|| Real::whole(0, state.dialect.extended_reals).negated())
}

/// The value of a few decimal digits that begin with no zero, which mean the same in every shell.
pub(super) fn plain_number(text: &[u8]) -> Option<i64> {
    let short = (1..=9).contains(&text.len()) && (text[0] != b'0' || text.len() == 1);
    let digits = short && text.iter().all(u8::is_ascii_digit);
    digits.then(|| text.iter().fold(0, |value, digit| value * 10 + i64::from(digit - b'0')))
}

/// A number as the value of a variable.
fn number_text(shown: Option<String>, span: Span, name: &Rc<[u8]>) -> Text {
    let computed = Origin::new(Rule::Arithmetic, span);
    let hop = Hop { rule: Rule::Stored, span, name: Some(name.clone()), shifted: 0 };
    let origin = computed.then(hop);
    match shown {
        Some(shown) => Text::from_bytes(shown, Standing::Quoted, origin),
        None => Text::hole(&origin),
    }
}

/// Whether C has no 64 bits for a number.
fn is_out_of_range(digits: &[u8], negative: bool) -> bool {
    let (base, digits) = match digits {
        [b'0', b'x' | b'X', digits @ ..] => (16, digits),
        [b'0', digits @ ..] => (8, digits),
        digits => (10, digits),
    };
    let most = i64::MAX as u64 + u64::from(negative);
    let value = std::str::from_utf8(digits).ok().map(|digits| u64::from_str_radix(digits, base));
    match value {
        Some(Ok(value)) => value > most,
        Some(Err(error)) => *error.kind() == std::num::IntErrorKind::PosOverflow,
        None => false,
    }
}
