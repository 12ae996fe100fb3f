//! The kinds of variables that `typeset` and its kin make: integers, reals, capitals, fields.

use std::collections::BTreeMap;

use crate::dialect::{BothCases, Dialect, Padding, TakesBase};
use crate::expand::shown_real;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{Associative, Digits, Field, Keeps, Key, Value};
use crate::stop::{Reach, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::control::number;
use crate::walk::builtins::options::Given;
use crate::walk::builtins::variables::Declaration;

/// Whether the options of a declaration are refused together, or a base or a type that there is not.
pub(super) fn has_bad_kinds(given: &Given<'_>, dialect: &Dialect) -> bool {
    let has = |letters: &[u8]| letters.iter().any(|&letter| given.has(letter));
    let bases = dialect.integer_bases.0..=dialect.integer_bases.1;
    let base = given.value(b'i').and_then(|text| number(text.bytes()));
    given.value(b'a').is_some()
        || (dialect.fields_hold_no_numbers && has(b"iEF") && has(b"LRZ"))
        || (dialect.integers_are_no_reals && has(b"i") && has(b"EF"))
        || (dialect.other_bases_are_refused && base.is_some_and(|base| !bases.contains(&base)))
}

impl Walker {
    /// Gives a variable the kind and the field that a declaration names; false where it loses a value over
    /// that.
    pub(super) fn attributes(
        &mut self,
        name: &[u8],
        declaration: &Declaration<'_>,
        stays: bool,
    ) -> Result<bool, Stop> {
        let (given, span) = (&declaration.given, declaration.span);
        let is_unique = !self.state.dialect.integers_show_attributes;
        if is_unique && (given.has(b'U') || given.takes_back(b'U')) {
            self.state.variables.entry(name).unique = given.has(b'U');
            self.state.drop_repeats(name);
        }
        let kind = self.kind_given(name, given);
        let field = self.field_given(given);
        let loses_field = self.loses_field(name, kind, given);
        if kind.is_none() && field.is_none() && !loses_field {
            return Ok(true);
        }
        if let Some(status) = self.state.dialect.read_only_kind_status
            && self.state.variables.get(name).is_some_and(|one| one.read_only)
        {
            let message = "the variable is read-only, and so is its kind";
            return Err(Stop::error(message, span, status, Reach::Command));
        }
        let was_number = self.is_number(name);
        let variable = self.state.variables.entry(name);
        let before = variable.keeps;
        let letter = |kind| match kind {
            Keeps::Real { letter, .. } => Some(letter),
            _ => None,
        };
        let same_form = letter(variable.keeps)
            .is_some_and(|before| kind.and_then(letter).is_some_and(|now| now == before));
        variable.keeps = match (variable.keeps, kind) {
            (before, None) => before,
            // A base stays where none is given.
            (Keeps::Integer(before), Some(Keeps::Integer(now))) if now.base == 0 => {
                Keeps::Integer(Digits { base: before.base, ..now })
            }
            (_, Some(kind)) => kind,
        };
        if field.is_some() || loses_field {
            variable.field = field;
        }
        if let Value::Indexed(elements) = &variable.value
            && self.state.dialect.attributes_change_elements
        {
            let mut is_kept = true;
            for (key, text) in elements.clone() {
                is_kept &= self.changes(name, Some(Key::Number(key)), text, span)?;
            }
            return Ok(is_kept);
        }
        let is_number = matches!(variable.keeps, Keeps::Integer(_) | Keeps::Real { .. });
        if kind.is_none()
            && is_number
            && field.is_some_and(|field| field.width == 0)
            && self.state.dialect.attributes_are_looks
        {
            // The next value that is assigned gives the width.
            return Ok(true);
        }
        let value = variable.as_given().scalar().cloned();
        let changes = stays && self.state.dialect.attributes_change_values;
        // A real in another width is the same number.
        let real =
            variable.real.filter(|_| same_form && self.state.dialect.reals_of_one_form_keep_digits);
        let digits = real.map(|real| shown_real(real, self.state.dialect.arithmetic_reals));
        let origin = || Origin::new(Rule::Stored, span);
        let whole = digits.map(|one| Text::copied(one.as_bytes(), Standing::Quoted, origin()));
        let is_retyped = was_number
            && matches!(variable.value, Value::Nothing)
            && std::mem::discriminant(&before) != std::mem::discriminant(&variable.keeps)
            && self.state.dialect.retyped_numbers_are_zero;
        let zero = is_retyped.then(|| Text::copied(b"0", Standing::Quoted, origin()));
        match whole.or(value).or(zero).filter(|_| changes) {
            Some(text) => self.changes(name, None, text, span),
            None => Ok(true),
        }
    }

    /// Stores a value anew in a variable of another kind; false where it is lost.
    fn changes(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<bool, Stop> {
        let frozen = self.state.dialect.read_only_kinds_change
            && self.state.variables.get(name).is_some_and(|one| one.read_only);
        if frozen {
            self.state.variables.entry(name).read_only = false;
        }
        let variable = self.state.variables.get(name);
        let stays_number = variable.is_some_and(|one| matches!(one.keeps, Keeps::Real { .. }));
        let text = match variable.and_then(|one| one.real).filter(|_| key.is_none()) {
            Some(real) if self.state.dialect.attributes_are_looks && stays_number => {
                let digits = shown_real(real, self.state.dialect.arithmetic_reals);
                Text::copied(digits.as_bytes(), Standing::Quoted, Origin::new(Rule::Stored, span))
            }
            _ => text,
        };
        let stored = self.state.store(name, key.clone(), text, span);
        if frozen {
            self.state.variables.entry(name).read_only = true;
        }
        match stored {
            Err(Stop::Shell(error)) if self.state.dialect.values_become_numbers_or_nothing => {
                match key {
                    Some(key) => self.state.variables.remove_element(name, &key),
                    None => self.state.variables.entry(name).value = Value::Nothing,
                }
                self.keep_mistake(error);
                Ok(false)
            }
            stored => stored.map(|()| true),
        }
    }

    /// The kind of variable that `-i`, `-E`, `-F`, `-u`, `-l`, `-c` or their opposites name.
    fn kind_given(&self, name: &[u8], given: &Given<'_>) -> Option<Keeps> {
        let dialect = &self.state.dialect;
        let kept = match self.state.variables.get(name).map(|one| one.keeps) {
            Some(Keeps::Real { letter, digits, .. }) if dialect.reals_keep_digits => {
                digits + if letter == b'f' { 0 } else { dialect.scientific_numbers.1 }
            }
            _ => 10,
        };
        let digits = |letter| match width(given, letter) {
            0 if given.value(letter).is_none() => kept,
            digits => digits,
        };
        let (least, most) = dialect.integer_bases;
        let base = given.value(b'i').and_then(|text| number(text.bytes())).unwrap_or(10);
        let base = if (least..=most).contains(&base) { base as u32 } else { 10 };
        let takes_base = dialect.integers_take_base != TakesBase::Never;
        let base = if takes_base && given.value(b'i').is_none() { 0 } else { base };
        let [short, plain, long] = dialect.integer_bits;
        let bits = match (given.has(b'l'), given.has(b's')) {
            (true, _) => long,
            (_, true) => short,
            _ => plain,
        };
        let cases = [b'u', b'l', b'c'].into_iter().filter(|letter| given.has(*letter)).count();
        let taken_back: &[u8] = if dialect.real_variables { b"ciulEF" } else { b"ciul" };
        Some(match () {
            () if given.has(b'F') => {
                Keeps::Real { letter: b'f', digits: digits(b'F'), long: given.has(b'l') }
            }
            () if given.has(b'E') && dialect.real_variables => {
                let (letter, less) = dialect.scientific_numbers;
                let digits = digits(b'E').saturating_sub(less);
                Keeps::Real { letter, digits, long: given.has(b'l') }
            }
            () if given.has(b'i') && dialect.integers_show_attributes => Keeps::Integer(Digits {
                base,
                bits,
                unsigned: given.has(b'U'),
                capitals: given.has(b'u'),
            }),
            () if given.has(b'i') => Keeps::Integer(Digits {
                bits,
                unsigned: given.has(b'u') && dialect.unsigned_integers,
                ..Digits::of(base)
            }),
            () if cases > 0 && dialect.numbers_outdo_case && self.is_number(name) => return None,
            () if cases > 1 && dialect.both_cases == BothCases::Neither => Keeps::Text,
            () if cases > 1
                && dialect.both_cases == BothCases::Last
                && given.last_of(b"ul") == Some(b'u') =>
            {
                Keeps::Upper
            }
            () if given.has(b'u') && cases == 1 => Keeps::Upper,
            () if given.has(b'l') => Keeps::Lower,
            () if given.has(b'c') && dialect.capital_attribute => Keeps::Capital,
            () if taken_back.iter().any(|letter| given.takes_back(*letter)) => {
                let before = self.state.variables.get(name).map_or(Keeps::Text, |one| one.keeps);
                let is_taken = letters_of(before).iter().any(|letter| given.takes_back(*letter));
                if is_taken { Keeps::Text } else { before }
            }
            () if given.takes_back(b'U') => match self.state.variables.get(name)?.keeps {
                Keeps::Integer(digits) => Keeps::Integer(Digits { unsigned: false, ..digits }),
                _ => return None,
            },
            () => return None,
        })
    }

    pub(super) fn is_number(&self, name: &[u8]) -> bool {
        let kind = self.state.variables.get(name).map(|variable| variable.keeps);
        matches!(kind, Some(Keeps::Integer(_) | Keeps::Real { .. }))
    }

    /// The field that `-L`, `-R` or `-Z` names.
    fn field_given(&self, given: &Given<'_>) -> Option<Field> {
        let paddings = self.state.dialect.field_paddings;
        let either = |letter, other| if given.value(letter).is_some() { letter } else { other };
        let (letter, padding) = match (given.has(b'L'), given.has(b'R'), given.has(b'Z')) {
            (true, _, true) => (either(b'L', b'Z'), paddings.left_zeros),
            (true, right, _) if !right || self.state.dialect.left_field_wins => {
                (b'L', Padding::Left)
            }
            (_, true, false) => (b'R', paddings.right),
            (_, true, true) => (either(b'Z', b'R'), paddings.right_zeros?),
            (_, _, true) => (b'Z', paddings.zeros),
            _ => return None,
        };
        Some(Field { padding, width: width(given, letter) })
    }

    /// `-a`, `-A` and `-C`; false where an array of the other kind stays what it is.
    pub(super) fn shape(&mut self, name: &[u8], given: &Given<'_>) -> bool {
        let value = match () {
            () if self.state.dialect.numbers_are_no_arrays
                && b"iEF".iter().any(|letter| given.has(*letter)) =>
            {
                let variable = self.state.variables.entry(name);
                // An array gives way to a new variable.
                if !matches!(variable.value, Value::Scalar(_)) {
                    variable.value = Value::Nothing;
                    variable.read_only = false;
                }
                return true;
            }
            () if given.has(b'A') && self.state.dialect.associative_arrays => {
                Value::Associative(Associative::new(self.state.dialect.key_order))
            }
            () if given.has(b'a') => Value::Indexed(BTreeMap::new()),
            () if given.has(b'C') && self.state.dialect.compound_variables => {
                if !self.state.variables.is_compound(name) {
                    self.state.variables.make_compound(name);
                }
                return true;
            }
            () => {
                self.state.variables.entry(name);
                return true;
            }
        };
        let keeps_kind = self.state.dialect.arrays_keep_their_kind;
        let variable = self.state.variables.entry(name);
        if std::mem::discriminant(&variable.value) == std::mem::discriminant(&value) {
            return true;
        }
        if keeps_kind && matches!(variable.value, Value::Indexed(_) | Value::Associative(_)) {
            return false;
        }
        let before = std::mem::replace(&mut variable.value, value);
        variable.bare = matches!(before, Value::Nothing);
        match (&mut variable.value, before) {
            (Value::Indexed(elements), Value::Scalar(text))
                if self.state.dialect.texts_become_elements =>
            {
                elements.insert(0, text);
            }
            (Value::Associative(elements), Value::Scalar(text)) if keeps_kind => {
                elements.take_text(text);
            }
            _ => {}
        }
        true
    }

    /// Whether a declaration that has a value is of another kind than the variable, which it replaces though it is read-only.
    pub(super) fn is_replaced(&self, name: &[u8], gets_list: bool, given: &Given<'_>) -> bool {
        let Some(variable) = self.state.variables.get(name) else { return false };
        let is_list = matches!(variable.value, Value::Indexed(_) | Value::Associative(_));
        let real = matches!(variable.keeps, Keeps::Real { .. });
        let changes = (gets_list && !is_list)
            || (given.has(b'i') && !matches!(variable.keeps, Keeps::Integer(_)))
            || ((given.has(b'F') || given.has(b'E')) && !real)
            || given.takes_back(b'r');
        self.state.dialect.other_kinds_replace_read_only && changes
    }

    /// Whether a variable loses the field that it fills: it becomes a number, or is one no more.
    fn loses_field(&self, name: &[u8], kind: Option<Keeps>, given: &Given<'_>) -> bool {
        let looks = self.state.dialect.attributes_are_looks;
        let taken_back = [b'L', b'R', b'Z'].into_iter().any(|letter| given.takes_back(letter));
        let is_number = |kind| matches!(kind, Keeps::Integer(_) | Keeps::Real { .. });
        match (kind, looks) {
            (_, true) if taken_back => true,
            (Some(kind), true) => is_number(kind) != self.is_number(name),
            (Some(kind), false) => is_number(kind),
            (None, _) => false,
        }
    }
}

/// The number behind an option that stands for a width, 0 without one.
fn width(given: &Given<'_>, letter: u8) -> usize {
    let width = given.value(letter).and_then(|text| number(text.bytes())).unwrap_or(0);
    width.clamp(0, 1 << 20) as usize
}

/// The letters that take a kind back.
fn letters_of(kind: Keeps) -> &'static [u8] {
    match kind {
        Keeps::Integer(_) | Keeps::Real { .. } => b"iEF",
        Keeps::Upper => b"u",
        Keeps::Lower => b"l",
        Keeps::Capital => b"c",
        Keeps::Text | Keeps::Name => b"",
    }
}
