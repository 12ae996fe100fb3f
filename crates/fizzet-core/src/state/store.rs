//! How values get into variables: what an index means, what a variable keeps of a value, and what cannot be
//! changed.

use std::borrow::Cow;
use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{ListAttributes, OptionIndex, PosixMode, References};
use crate::lineage::{Origin, Rule};
use crate::real::{Format, Real};
use crate::source::Span;
use crate::state::{Digits, ElementOf, Keeps, Key, State, Stretch, Value, base, own};
use crate::stop::Stop;
use crate::syntax::{is_name, unmarked};
use crate::text::{Standing, Text};

impl State {
    /// Whether an index behind this name is not looked at, as there is no such variable.
    pub(crate) fn is_idle_index(&self, name: &[u8]) -> bool {
        self.dialect.index_needs_a_variable && self.variables.get(name).is_none()
    }

    /// The key that the text of an index stands for.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_key(&mut self, name: &[u8], index: &[u8], span: Span) -> Result<Key, Stop> {
        // In shells without these marks a NUL is a character of the key.
        let plain = match self.dialect.indexes_hide_brackets {
            true => unmarked(index),
            false => index.into(),
        };
        let index = &*plain;
        let associative =
            self.variables.get(name).is_some_and(|one| matches!(one.value, Value::Associative(_)));
        if associative {
            let origin = Origin::new(Rule::Literal, span);
            let quoted = matches!(index, [b'\'', .., b'\''] if index.len() > 1);
            let key = match quoted && self.dialect.arithmetic_keys_drop_quotes {
                true => &index[1..index.len() - 1],
                false => index,
            };
            return Ok(Key::Text(Text::from_bytes(key, Standing::Quoted, origin)));
        }
        let vanishes = |byte: &u8| self.dialect.index_text_quotes.as_bytes().contains(byte);
        let kept: Cow<'_, [u8]> = match index.iter().any(vanishes) {
            true => index.iter().copied().filter(|byte| !vanishes(byte)).collect(),
            false => index.into(),
        };
        let number = crate::expand::arithmetic::text_value(self, &kept, span);
        Ok(Key::Number(self.index(number.map_err(Stop::in_index)?)))
    }

    /// The index that a number means: where none counts from the end, one below 0 is a very large one, and
    /// where 0 is the first of elements that count from 1, it is the next one.
    pub fn index(&self, number: i64) -> i64 {
        match number {
            ..0 if !self.dialect.negative_indexes => i64::from(number as u32),
            0 if self.dialect.zero_is_first_too => 1,
            0.. if self.dialect.zero_is_first => number.saturating_add(1),
            _ => number,
        }
    }

    /// The key of the element that the name of an array alone means where elements count from 1.
    pub fn first_key(&self, name: &[u8]) -> Option<Key> {
        if self.dialect.names_mean_lists || !self.dialect.array_is_list {
            return None;
        }
        match &self.variables.get(name)?.value {
            Value::Indexed(_) => Some(Key::Number(1)),
            Value::Associative(elements) => {
                elements.pairs().first().map(|(key, _)| Key::Text((*key).clone()))
            }
            _ => None,
        }
    }

    /// The value of `$name` where that is one text.
    pub fn scalar(&self, name: &[u8]) -> Option<&Text> {
        match self.first_key(name) {
            Some(key) => self.variables.element(name, &key),
            None => self.variables.scalar(name),
        }
    }

    /// # Errors
    /// The variable is read-only.
    pub fn check_writable(&mut self, name: &[u8], span: Span) -> Result<(), Stop> {
        if !self.variables.get(name).is_some_and(|variable| variable.read_only) {
            return Ok(());
        }
        Err(self.read_only(name, span))
    }

    pub(super) fn read_only(&self, name: &[u8], span: Span) -> Stop {
        let message = format!("{} is read-only", String::from_utf8_lossy(name));
        let mut stop = self.mistake(message, span, self.dialect.read_only_status);
        if let Stop::Shell(error) = &mut stop {
            error.is_read_only = true;
        }
        stop
    }

    /// Assigns a variable or an element, which keeps of the value what its attributes say.
    ///
    /// # Errors
    /// A variable that may not change; an index before the start of the array.
    pub fn store(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        if let Some(meant) = self.variables.meant(name) {
            return self.store_meant(&meant, key, text, span);
        }
        if self.variables.goes_round(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        if let Some(number) = self.parameter_number(name) {
            return self.store_parameter(number, text, span);
        }
        if name == own::POSIX_MODE && self.dialect.posix_mode == PosixMode::Rules {
            self.follow_posix(true);
        }
        let known = self.variables.get(name);
        let (is_plain, read_only) = known.map_or((false, false), |one| (!one.own, one.read_only));
        if !is_plain && self.keeps_itself(name, span)? {
            return Ok(());
        }
        if read_only {
            return Err(self.read_only(name, span));
        }
        let keeps = self.keeps_now(name, key.is_some(), text.bytes());
        self.check_value(name, keeps, &text, span)?;
        let given = (key.is_none() && self.dialect.attributes_are_looks && keeps.is_a_look())
            .then(|| Box::new(text.clone()));
        let mut real = None;
        let text = self.kept(keeps, text, &mut real, span)?;
        match key {
            None => self.put_whole(name, text, real, given),
            Some(key) => self.put_element(name, key, text, span)?,
        }
        self.follow_tie(name);
        if name == b"OPTIND" {
            self.assigned_option_index = self.variables.scalar(name).cloned();
        }
        if self.options.all_export {
            self.variables.entry(name).exported = true;
        }
        Ok(())
    }

    /// What a variable makes of a value that it is about to get.
    fn keeps_now(&mut self, name: &[u8], for_element: bool, value: &[u8]) -> Keeps {
        let known = self.variables.get(name);
        let in_array = for_element
            && known
                .is_some_and(|one| matches!(one.value, Value::Indexed(_) | Value::Associative(_)));
        match known.map_or(Keeps::Text, |variable| variable.keeps) {
            _ if in_array && self.dialect.list_attributes == ListAttributes::None => Keeps::Text,
            Keeps::Integer(Digits { base: 0, .. }) => self.takes_base(name, value),
            keeps => keeps,
        }
    }

    /// Refuses what OPTIND, or the name of another variable, cannot hold.
    fn check_value(&self, name: &[u8], keeps: Keeps, value: &Text, span: Span) -> Result<(), Stop> {
        if name == b"OPTIND" && self.dialect.option_index == OptionIndex::Digits {
            let digits = value.bytes().trim_ascii();
            if digits.is_empty() || !digits.iter().all(u8::is_ascii_digit) {
                return Err(self.mistake("OPTIND takes a number", span, 2));
            }
        }
        let is_loose = keeps == Keeps::Name && self.dialect.references == References::Loose;
        let is_named = || is_name(value.bytes()) || element_name(value.bytes()).is_some();
        if is_loose && !is_named() {
            return Err(self.mistake("this is no name that it can stand for", span, 1));
        }
        Ok(())
    }

    /// Gives a variable one value; `real` and `given` are what it keeps beside that.
    fn put_whole(&mut self, name: &[u8], text: Text, real: Option<Real>, given: Option<Box<Text>>) {
        let known = self.variables.get(name);
        let had_real = known.is_some_and(|variable| variable.real.is_some());
        let had_given = known.is_some_and(|variable| variable.given.is_some());
        if let Some(key) = self.first_key(name) {
            return self.variables.set_element(name, key, text);
        }
        if self.dialect.array_is_list && self.variables.is_array(name) {
            self.variables.clear(name);
        }
        self.variables.set(name, text);
        let real = real.filter(|_| self.dialect.real_variables_keep_digits);
        if real.is_some() || had_real {
            self.variables.entry(name).real = real;
        }
        if given.is_some() || had_given {
            self.variables.entry(name).given = given;
        }
    }

    fn put_element(&mut self, name: &[u8], key: Key, text: Text, span: Span) -> Result<(), Stop> {
        let Key::Number(number) = key else {
            self.variables.set_element(name, key, text);
            return Ok(());
        };
        if self.dialect.first_index == 1 {
            return self.replace(name, Stretch::One(number), vec![text], span);
        }
        let of_text =
            number < 0 && self.dialect.early_index_is_mistake && !self.variables.is_array(name);
        let Some(number) = self.variables.index(name, number).filter(|_| !of_text) else {
            let message = "the index lies before the start of the array";
            return Err(self.mistake(message, span, 1));
        };
        self.variables.set_element(name, Key::Number(number), text);
        Ok(())
    }

    /// The number of the positional parameter that this name of a variable means.
    pub fn parameter_number(&self, name: &[u8]) -> Option<usize> {
        let numbered = name.first().is_some_and(u8::is_ascii_digit);
        if !numbered || !self.dialect.parameters_are_variables {
            return None;
        }
        std::str::from_utf8(name).ok()?.parse().ok()
    }

    fn store_parameter(&mut self, number: usize, text: Text, span: Span) -> Result<(), Stop> {
        if number > self.limits.fields {
            return Err(self.mistake("the number of the parameter is too large", span, 1));
        }
        let empty = self.shell_text(b"");
        match number {
            0 => self.positional.zero = Rc::new(text),
            number => self.positional.put(number, text, &empty),
        }
        Ok(())
    }

    /// Stores where a variable that holds a name points to: a variable or an element.
    fn store_meant(
        &mut self,
        meant: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        let Some((name, index)) = element_name(meant) else {
            return self.store(meant, key, text, span);
        };
        if self.variables.is_name(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        let key = self.element_key(name, index, span)?;
        self.store(name, Some(key), text, span)
    }

    /// What a variable keeps of a value; `real` becomes the number where that is a real.
    fn kept(
        &mut self,
        keeps: Keeps,
        text: Text,
        real: &mut Option<Real>,
        span: Span,
    ) -> Result<Text, Stop> {
        let changed = match keeps {
            Keeps::Text | Keeps::Name => return Ok(text),
            Keeps::Field(padding, width) => padding.fill(text.bytes(), width),
            Keeps::Upper => text.bytes().to_str_lossy().to_uppercase().into_bytes(),
            Keeps::Capital => {
                let small = text.bytes().to_str_lossy().to_lowercase();
                let mut rest = small.chars();
                let first = rest.next().into_iter().flat_map(char::to_uppercase);
                first.chain(rest).collect::<String>().into_bytes()
            }
            Keeps::Lower => text.bytes().to_str_lossy().to_lowercase().into_bytes(),
            Keeps::Real { letter, digits, long } => {
                let value = crate::expand::arithmetic::text_real(self, text.bytes(), span)?;
                let value = if long { value } else { value.by(|double| double) };
                *real = Some(value);
                let sign = if value.is_negative() { "-" } else { "" };
                let halves_up = self.dialect.halves_up;
                let format = Format { letter, precision: digits, keeps_zeros: false, halves_up };
                format!("{sign}{}", value.absolute().shown(format)).into_bytes()
            }
            Keeps::Integer(digits) => {
                let capitals = self.dialect.capital_digits || digits.capitals;
                let value = crate::expand::arithmetic::text_value(self, text.bytes(), span);
                let value = value.map_err(Stop::in_index)?;
                let value = match digits.unsigned && self.dialect.arithmetic_bits == 32 {
                    true => i64::from(value as u32),
                    false => value,
                };
                let shown = in_base(value, digits.base);
                let shown = if capitals { shown.to_ascii_uppercase() } else { shown };
                match self.dialect.c_prefix(digits.base) {
                    Some(prefix) => as_in_c(&shown, prefix),
                    None => shown,
                }
            }
        };
        let origin = text.runs().next().map(|(run, _)| run.origin.clone());
        let origin = origin.unwrap_or_else(|| Origin::new(Rule::Stored, span));
        Ok(Text::from_bytes(changed, Standing::Quoted, origin))
    }

    /// Gives an integer variable without a base that of a number which is assigned to it.
    fn takes_base(&mut self, name: &[u8], text: &[u8]) -> Keeps {
        let taken = base::of_expression(text, self.dialect.integers_take_base);
        let known = self.variables.get(name).map(|variable| variable.keeps);
        let Some(Keeps::Integer(digits)) = known else { return Keeps::Integer(Digits::default()) };
        let keeps = Keeps::Integer(Digits { base: taken.unwrap_or(0), ..digits });
        self.variables.entry(name).keeps = keeps;
        keeps
    }

    /// The array and the key of the element that a name of a variable means, if it means one.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_meant(&mut self, name: &[u8], span: Span) -> Result<Option<ElementOf>, Stop> {
        let Some(meant) = self.variables.meant(name) else { return Ok(None) };
        let Some((array, index)) = element_name(&meant) else { return Ok(None) };
        let key = self.element_key(array, index, span)?;
        Ok(Some((array.into(), key)))
    }

    /// The name and the index of `name[index]`, if a utility takes that for an element: where the first
    /// bracket that closes ends the index, it has to be the last.
    pub fn element_named<'a>(&self, written: &'a [u8]) -> Option<(&'a [u8], &'a [u8])> {
        element_name(written)
            .filter(|(_, index)| !self.dialect.index_ends_at_bracket || is_one_index(index))
    }
}

/// The name and the index of `name[index]`.
pub fn element_name(written: &[u8]) -> Option<(&[u8], &[u8])> {
    let open = written.iter().position(|&byte| byte == b'[')?;
    let index = written[open + 1..].strip_suffix(b"]")?;
    crate::syntax::is_name(&written[..open]).then_some((&written[..open], index))
}

/// Whether the brackets in the text of an index are in pairs, so that the last one ends it.
pub fn is_one_index(index: &[u8]) -> bool {
    let mut open = 0i32;
    let pairs = index.iter().all(|byte| {
        open += i32::from(*byte == b'[') - i32::from(*byte == b']');
        open >= 0
    });
    pairs && open == 0
}

/// `base#digits` with a prefix of C before the digits.
fn as_in_c(shown: &[u8], prefix: &str) -> Vec<u8> {
    let sign = if shown.starts_with(b"-") { "-" } else { "" };
    let digits = shown.split(|&byte| byte == b'#').next_back().unwrap_or_default();
    [sign.as_bytes(), prefix.as_bytes(), digits].concat()
}

/// A number as `typeset -i` shows it: `base#digits`, plain in base 10.
fn in_base(value: i64, base: u32) -> Vec<u8> {
    if matches!(base, 0 | 10) {
        return value.to_string().into_bytes();
    }
    if base == 1 {
        let character = u32::try_from(value).ok().and_then(char::from_u32);
        return character.map_or_else(|| in_base(value, 16), |one| format!("1#{one}").into_bytes());
    }
    let (mut rest, mut digits) = (value.unsigned_abs(), Vec::new());
    loop {
        let digit = (rest % u64::from(base)) as u8;
        digits.push(
            b"0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ@_"[usize::from(digit)],
        );
        rest /= u64::from(base);
        if rest == 0 {
            break;
        }
    }
    digits.reverse();
    let sign = if value < 0 { "-" } else { "" };
    [format!("{sign}{base}#").into_bytes(), digits].concat()
}
