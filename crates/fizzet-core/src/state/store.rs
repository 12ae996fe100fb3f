//! How values get into variables: what an index means, what a variable keeps of a value, and what cannot be
//! changed.

use std::borrow::Cow;
use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{
    Assigned, KeyQuoting, LastArgument, ListAttributes, OptionIndex, Own, Reals, References,
    TakesBase, UnsetIndex, own_variable,
};
use crate::expand::{arithmetic, shown_real};
use crate::lineage::{Origin, Rule};
use crate::real::{Format, Real};
use crate::source::Span;
use crate::state::inside::{self, Step};
use crate::state::{Digits, ElementOf, Field, Keeps, Key, State, Stretch, Value, base, shown_name};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::arithmetic::character_of;
use crate::syntax::{has_marks, unmarked};
use crate::text::{Standing, Text, character_count};

/// What is wrong with an index that counts from the end, and further than to the start.
pub const BEFORE_START: &str = "the index lies before the start of the array";

/// Where an integer without a base takes one from.
#[derive(Clone, Copy)]
enum Base {
    /// The expression that is assigned.
    OfText,
    /// The value of an expression that has been evaluated, if that has one.
    Given(Option<u32>),
}

/// What a variable keeps of a value.
struct Kept {
    /// The value.
    text: Text,
    /// The real that its digits show.
    real: Option<Real>,
    /// The value as it was before it was made to look like this.
    unfilled: Option<Box<Text>>,
}

impl State {
    /// Which quoting that is written in a key of this array is gone when an arithmetic expression takes the key.
    pub(crate) fn key_quoting(&self, array: &[u8]) -> KeyQuoting {
        match self.variables.is_keyed(array) {
            true => self.dialect.key_quoting,
            false => KeyQuoting::Stays,
        }
    }

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
        let spoiled = self.dialect.hidden_signs_spoil_indexes && has_marks(index);
        let quoted = matches!(index, [b'\'', .., b'\''] | [b'"', .., b'"'] if index.len() > 1);
        let index = &*plain;
        if self.variables.is_keyed(name) {
            let key = match quoted && self.dialect.arithmetic_keys_drop_quotes {
                true => &index[1..index.len() - 1],
                false => index,
            };
            // What an expression was expanded to before it was read, is not written there.
            let is_written = self.sources.bytes(span).contains_str(key);
            let rule = if is_written { Rule::Literal } else { Rule::Arithmetic };
            let origin = Origin::new(rule, span);
            return Ok(Key::Text(Text::from_bytes(key, Standing::Quoted, origin)));
        }
        if spoiled {
            let message = "a bracket, a quote or a sign of an expansion stands in the index of an expression that \
                           expands something; reckon the index in a variable first";
            return Err(Stop::in_index(self.mistake(message, span, 1)));
        }
        let vanishes = |byte: &u8| self.dialect.index_text_quotes.as_bytes().contains(byte);
        let kept: Cow<'_, [u8]> = match index.iter().any(vanishes) {
            true => index.iter().copied().filter(|byte| !vanishes(byte)).collect(),
            false => index.into(),
        };
        let number = arithmetic::index_value(self, &kept, span);
        let index = self.index(number.map_err(Stop::in_index)?);
        if self.dialect.asking_makes_arrays {
            self.variables.make_array(name);
        }
        Ok(Key::Number(self.check_largest(index, span)?))
    }

    /// # Errors
    /// An index beyond the largest one.
    pub fn check_largest(&self, index: i64, span: Span) -> Result<i64, Stop> {
        match self.dialect.largest_index.is_some_and(|largest| index > largest) {
            true => Err(self.mistake("the index is too large", span, 1)),
            false => Ok(index),
        }
    }

    /// The index that a number means: where none counts from the end, one below 0 is a very large one, and
    /// where 0 is the first of elements that count from 1, it is the next one. Where it has 32 bits, those count.
    pub fn index(&self, number: i64) -> i64 {
        match number {
            _ if self.dialect.short_indexes && i32::try_from(number).is_err() => {
                i64::from(number as i32)
            }
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
        match self.variables.get(name) {
            Some(variable) if variable.read_only => Err(self.read_only(name, span)),
            _ => self.check_held(name, span),
        }
    }

    /// The mistake of assigning a variable that is read-only.
    pub(super) fn read_only(&self, name: &[u8], span: Span) -> Stop {
        let ends = self.dialect.told_mistakes_end_shells && self.options.exit_on_error;
        match self.held(name, span) {
            Stop::Shell(error) if ends => {
                let (reach, goes_through, is_read_only) = (Reach::Shell, true, false);
                Stop::Shell(ShellError { reach, goes_through, is_read_only, ..error }).exiting()
            }
            stop => stop,
        }
    }

    /// The mistake of assigning a variable that keeps what it has.
    pub(super) fn held(&self, name: &[u8], span: Span) -> Stop {
        let message = format!("{} is read-only", String::from_utf8_lossy(name));
        match self.mistake(message, span, self.dialect.read_only_status) {
            Stop::Shell(error) => Stop::Shell(ShellError { is_read_only: true, ..error }),
            stop => stop,
        }
    }

    /// # Errors
    /// The variable is to be a name of another one, and has not been given that.
    pub(crate) fn check_meant(&self, name: &[u8], span: Span) -> Result<(), Stop> {
        let means_nothing = || {
            let variable = self.variables.itself(name);
            variable.is_some_and(|variable| variable.scalar().is_none())
        };
        match self.dialect.references == References::Fatal
            && self.variables.is_name(name)
            && means_nothing()
        {
            true => Err(self.mistake("it is the name of no variable yet", span, 1)),
            false => Ok(()),
        }
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
        self.store_based(name, key, text, Base::OfText, span)
    }

    /// Assigns a number: [`State::store`], where an integer without a base takes the given one.
    ///
    /// # Errors
    /// As for [`State::store`].
    pub(crate) fn store_number(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        digits: Text,
        base: Option<u32>,
        span: Span,
    ) -> Result<(), Stop> {
        self.store_based(name, key, digits, Base::Given(base), span)
    }

    fn store_based(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        text: Text,
        base: Base,
        span: Span,
    ) -> Result<(), Stop> {
        if let Some(meant) = self.variables.meant(name) {
            return self.store_meant(&meant, key, text, base, span);
        }
        self.check_parent(name, span)?;
        if self.variables.goes_round(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        if let Some(number) = self.parameter_number(name) {
            return self.store_parameter(number, text, span);
        }
        self.option_follows(name, true);
        let known = self.variables.get(name);
        let (is_plain, read_only) = known.map_or((false, false), |one| (!one.own, one.read_only));
        if !is_plain && self.keeps_itself(name, span)? {
            return self.assign_kept(name, text, span);
        }
        if read_only {
            return Err(self.read_only(name, span));
        }
        let kinds @ (keeps, _) = self.keeps_now(name, key.is_some());
        self.check_value(name, keeps, &text, span)?;
        let Kept { text, real, unfilled } = self.kept(name, kinds, text, base, span)?;
        let told = (name == b"OPTIND").then(|| self.variables.scalar(name).cloned()).flatten();
        let given = unfilled.filter(|_| key.is_none());
        match key {
            None => self.put_whole(name, text, real, given),
            Some(key) => self.put_element(name, key, text, span)?,
        }
        if name == b"PATH" {
            self.hashed = Rc::default();
        }
        if let Some(assigned) = &mut self.assigned {
            assigned.push(name.into());
        }
        self.follow_tie(name);
        self.follow_locale(name);
        match name {
            b"OPTIND" => {
                self.index_is_touched = true;
                self.index_is_lost &= self.dialect.unset_index == UnsetIndex::Forgotten;
                if !self.index_is_lost {
                    self.index_is_assigned(told);
                }
            }
            b"OPTARG" => self.value_is_lost = false,
            _ => {}
        }
        if self.options.all_export {
            self.variables.entry(name).exported = true;
        }
        Ok(())
    }

    /// OPTIND has been assigned a value, before which it told a place.
    fn index_is_assigned(&mut self, told: Option<Text>) {
        let value = self.variables.scalar(b"OPTIND").cloned();
        let is_place = |text: &Text| {
            text.bytes().iter().all(u8::is_ascii_digit)
                && text.bytes().iter().any(|&digit| digit != b'0')
        };
        if let Some(told) = told
            && self.dialect.option_index_is_told
            && !value.as_ref().is_some_and(is_place)
        {
            self.variables.set(b"OPTIND", told);
            return;
        }
        self.assigned_option_index = value;
        self.index_by_script = true;
    }

    /// Assigns to a variable that the shell keeps.
    fn assign_kept(&mut self, name: &[u8], text: Text, span: Span) -> Result<(), Stop> {
        match own_variable(self.dialect.shell, name) {
            Some((Own::Zero, _)) => self.positional.zero = Rc::new(text),
            Some((Own::LastArgument, _)) if self.dialect.last_argument == LastArgument::Behind => {
                self.doing.last = Some(Rc::new(vec![text]));
            }
            Some((Own::Line, Assigned::Moved)) => {
                let number = arithmetic::text_value(self, text.bytes(), span)?;
                self.move_lines(number);
            }
            _ => {}
        }
        Ok(())
    }

    /// What a variable makes of a value that it is about to get.
    fn keeps_now(&self, name: &[u8], for_element: bool) -> (Keeps, Option<Field>) {
        let known = self.variables.get(name);
        let in_array = for_element
            && known
                .is_some_and(|one| matches!(one.value, Value::Indexed(_) | Value::Associative(_)));
        // The characters of a text become part of it before that is kept.
        if for_element && !in_array && self.dialect.first_index == 1 {
            return (Keeps::Text, None);
        }
        let known =
            known.filter(|_| !in_array || self.dialect.list_attributes != ListAttributes::None);
        known.map_or((Keeps::Text, None), |variable| (variable.keeps, variable.field))
    }

    /// Refuses what OPTIND, or the name of another variable, cannot hold.
    fn check_value(&self, name: &[u8], keeps: Keeps, value: &Text, span: Span) -> Result<(), Stop> {
        if name == b"OPTIND" && self.dialect.option_index == OptionIndex::Digits {
            let digits = value.bytes().trim_ascii();
            if digits.is_empty() || !digits.iter().all(u8::is_ascii_digit) {
                return Err(self.mistake("OPTIND takes a number", span, 2));
            }
        }
        let minds = matches!(self.dialect.references, References::Loose | References::Fatal);
        let is_loose = keeps == Keeps::Name && minds;
        let is_named =
            || self.names_variable(value.bytes()) || self.element_in(value.bytes()).is_some();
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
        if self.dialect.compound_variables && self.variables.copy_compound(text.bytes(), name) {
            return;
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
            return Err(self.mistake(BEFORE_START, span, 1));
        };
        self.variables.set_element(name, Key::Number(number), text);
        Ok(())
    }

    /// Looks at the index that a utility was given for an element that it assigns: a wrong one may end less than it does
    /// in an assignment.
    ///
    /// # Errors
    /// The index lies before the start of the array.
    pub fn check_given_index(
        &self,
        name: &[u8],
        key: &Key,
        ends: Option<Reach>,
        span: Span,
    ) -> Result<(), Stop> {
        match ends.filter(|_| self.variables.lies_before(name, key)) {
            Some(reach) => Err(Stop::error(BEFORE_START, span, 1, reach)),
            None => Ok(()),
        }
    }

    /// # Errors
    /// The index lies before the start of an array that is read, and the shell minds that.
    pub fn check_index(&self, name: &[u8], key: &Key, span: Span) -> Result<(), Stop> {
        match self.dialect.early_index_is_mistake && self.variables.is_before_start(name, key) {
            true => Err(self.mistake(BEFORE_START, span, 1)),
            false => Ok(()),
        }
    }

    /// # Errors
    /// The index of an element that is measured lies before the start, or counts from the end of a text.
    pub fn check_measured(&self, name: &[u8], key: &Key, span: Span) -> Result<(), Stop> {
        let Some(variable) = self.variables.get(name) else { return Ok(()) };
        let of_text = matches!(variable.value, Value::Scalar(_));
        match matches!(key, Key::Number(..0)) && (of_text || self.variables.lies_before(name, key))
        {
            true => Err(self.mistake(BEFORE_START, span, 1)),
            false => Ok(()),
        }
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
        base: Base,
        span: Span,
    ) -> Result<(), Stop> {
        let Some((name, index)) = self.element_in(meant) else {
            return self.store_based(meant, key, text, base, span);
        };
        if self.variables.is_name(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        let key = self.element_key(name, index, span)?;
        self.store_based(name, Some(key), text, base, span)
    }

    /// What a variable keeps of a value.
    fn kept(
        &mut self,
        name: &[u8],
        (keeps, field): (Keeps, Option<Field>),
        text: Text,
        base: Base,
        span: Span,
    ) -> Result<Kept, Stop> {
        let is_as_it_is = field.is_none() && matches!(keeps, Keeps::Text | Keeps::Name);
        if is_as_it_is || text.has_hole() {
            return Ok(Kept { text, real: None, unfilled: None });
        }
        let looks = self.dialect.attributes_are_looks;
        let given = (looks && keeps.is_a_look()).then(|| text.clone());
        let written = character_count(text.bytes(), self.utf8());
        let mut real = None;
        let text = match keeps {
            Keeps::Text | Keeps::Name => text,
            Keeps::Upper => changed(&text, upper(text.bytes()), span),
            Keeps::Lower => changed(&text, lower(text.bytes()), span),
            Keeps::Capital => changed(&text, capital(text.bytes()), span),
            Keeps::Real { letter, digits, long } => {
                let value = arithmetic::text_real(self, text.bytes(), span)?;
                let value = if long { value } else { value.by(|double| double) };
                real = Some(value);
                let sign = if value.is_negative() { "-" } else { "" };
                let halves_up = self.dialect.halves_up;
                let format = Format { letter, precision: digits, keeps_zeros: false, halves_up };
                let shown =
                    match value.is_finite() || self.dialect.arithmetic_reals != Reals::PointStays {
                        true => format!("{sign}{}", value.absolute().shown(format)),
                        false => shown_real(value, self.dialect.arithmetic_reals),
                    };
                changed(&text, shown.into_bytes(), span)
            }
            Keeps::Integer(digits) => self.kept_integer(name, digits, text, base, span)?,
        };
        let Some(mut field) = field else {
            return Ok(Kept { text, real, unfilled: given.map(Box::new) });
        };
        let is_number = matches!(keeps, Keeps::Integer(_) | Keeps::Real { .. });
        if field.width == 0 && !text.is_empty() {
            field.width = match (looks && is_number, base) {
                // A number that is computed gives no width.
                (true, Base::Given(_)) => 0,
                (true, Base::OfText) => written,
                (false, _) => character_count(text.bytes(), self.utf8()),
            };
            self.variables.entry(name).field = Some(field);
        }
        let shown = match is_number {
            true if looks && field.width == 0 => text.bytes().to_vec(),
            true => field.fill_number(text.bytes()),
            false => field.fill(text.bytes(), self.utf8()),
        };
        let shown = changed(&text, shown, span);
        let unfilled = given.or((looks || is_number).then_some(text)).map(Box::new);
        Ok(Kept { text: shown, real, unfilled })
    }

    /// What an integer variable keeps of a value; without a base, it may take one.
    fn kept_integer(
        &mut self,
        name: &[u8],
        digits: Digits,
        text: Text,
        given: Base,
        span: Span,
    ) -> Result<Text, Stop> {
        // A number that has been computed is not read as one in an expression, where the least one has no digits.
        let least = || std::str::from_utf8(text.bytes()).ok()?.parse::<i64>().ok();
        let computed = matches!(given, Base::Given(_)).then(least).flatten();
        let (value, of_value) = match computed.filter(|&value| value == i64::MIN) {
            Some(value) => (Some(value.into()), None),
            None => arithmetic::text_based(self, text.bytes(), span).map_err(Stop::in_index)?,
        };
        let Some(value) = value else {
            return Ok(Text::hole(&Origin::new(Rule::Arithmetic, span)));
        };
        let mut base = digits.base;
        if base == 0 {
            let taken = match (self.dialect.integers_take_base, given) {
                (TakesBase::Never, _) => None,
                (_, Base::Given(base)) => base,
                (TakesBase::OfValue, Base::OfText) => of_value,
                (TakesBase::OfLastBased, Base::OfText) => base::of_last_based(text.bytes()),
            };
            base = taken.unwrap_or(0);
            if let Keeps::Integer(digits) = &mut self.variables.entry(name).keeps {
                digits.base = base;
            }
        }
        let value = digits.kept(value, matches!(given, Base::OfText));
        let shows_bits = self.dialect.unsigned_integers && !matches!(base, 0 | 10);
        let mut shown = match digits.unsigned || shows_bits {
            true => in_base((value as u64).into(), base),
            false => in_base(value.into(), base),
        };
        if self.dialect.capital_digits || digits.capitals {
            shown.make_ascii_uppercase();
        }
        if let Some(prefix) = self.dialect.c_prefix(base) {
            shown = as_in_c(&shown, prefix);
        }
        Ok(changed(&text, shown, span))
    }

    /// The array and the key of the element that a name of a variable means, if it means one.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_meant(&mut self, name: &[u8], span: Span) -> Result<Option<ElementOf>, Stop> {
        let Some(meant) = self.variables.meant(name) else { return Ok(None) };
        let Some((array, index)) = self.element_in(&meant) else { return Ok(None) };
        let key = self.element_key(array, index, span)?;
        Ok(Some((array.into(), key)))
    }

    /// The name and the index of `name[index]`, if a utility takes that for an element: where the first
    /// bracket that closes ends the index, it has to be the last.
    pub fn element_named<'a>(&self, written: &'a [u8]) -> Option<(&'a [u8], &'a [u8])> {
        let minds = self.dialect.empty_index_is_no_name || self.dialect.empty_index_is_mistake;
        let named = |index: &[u8]| !(index.is_empty() && minds);
        self.element_in(written)
            .filter(|(_, index)| named(index))
            .filter(|(_, index)| !self.dialect.index_ends_at_bracket || is_one_index(index))
    }

    /// The name and the index of `name[index]`, where the array may stand inside others.
    pub fn element_in<'a>(&self, written: &'a [u8]) -> Option<(&'a [u8], &'a [u8])> {
        if self.dialect.compound_variables
            && self.names_variable(written)
            && let Some((array, Step::Element(index))) = inside::parent(written)
        {
            return Some((array, index));
        }
        element_name(written)
    }
}

/// The name and the index of `name[index]`.
pub fn element_name(written: &[u8]) -> Option<(&[u8], &[u8])> {
    let open = written.iter().position(|&byte| byte == b'[')?;
    let index = written[open + 1..].strip_suffix(b"]")?;
    crate::syntax::is_name(shown_name(&written[..open])).then_some((&written[..open], index))
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

fn upper(text: &[u8]) -> Vec<u8> {
    text.to_str_lossy().to_uppercase().into_bytes()
}

fn lower(text: &[u8]) -> Vec<u8> {
    text.to_str_lossy().to_lowercase().into_bytes()
}

fn capital(text: &[u8]) -> Vec<u8> {
    let small = text.to_str_lossy().to_lowercase();
    let mut rest = small.chars();
    let first = rest.next().into_iter().flat_map(char::to_uppercase);
    first.chain(rest).collect::<String>().into_bytes()
}

/// Other bytes in place of a text, which come from where it comes from.
fn changed(text: &Text, bytes: Vec<u8>, span: Span) -> Text {
    let origin = text.runs().next().map(|(run, _)| run.origin.clone());
    let origin = origin.unwrap_or_else(|| Origin::new(Rule::Stored, span));
    Text::from_bytes(bytes, Standing::Quoted, origin)
}

/// `base#digits` with a prefix of C before the digits.
fn as_in_c(shown: &[u8], prefix: &str) -> Vec<u8> {
    let sign = if shown.starts_with(b"-") { "-" } else { "" };
    let digits = shown.split(|&byte| byte == b'#').next_back().unwrap_or_default();
    [sign.as_bytes(), prefix.as_bytes(), digits].concat()
}

/// A number as `typeset -i` shows it: `base#digits`, plain in base 10.
fn in_base(value: i128, base: u32) -> Vec<u8> {
    if matches!(base, 0 | 10) {
        return value.to_string().into_bytes();
    }
    if base == 1 {
        return match character_of(value as i64) {
            Some(character) => [&b"1#"[..], &character].concat(),
            None => in_base(value, 2),
        };
    }
    let (mut rest, mut digits) = (value.unsigned_abs(), Vec::new());
    loop {
        let digit = (rest % u128::from(base)) as u8;
        digits.push(
            b"0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ@_"[usize::from(digit)],
        );
        rest /= u128::from(base);
        if rest == 0 {
            break;
        }
    }
    digits.reverse();
    let sign = if value < 0 { "-" } else { "" };
    [format!("{sign}{base}#").into_bytes(), digits].concat()
}
