//! The kinds of variables that `typeset` and its kin make: integers, reals, capitals, fields.

use crate::dialect::{Dialect, Padding, TakesBase};
use crate::state::{Digits, Field, Keeps, Key, Value};
use crate::stop::Stop;
use crate::walk::Walker;
use crate::walk::builtins::control::number;
use crate::walk::builtins::options::Given;
use crate::walk::builtins::variables::Declaration;

/// Whether the options of a declaration are refused together, or a base that there is not.
pub(super) fn has_bad_kinds(given: &Given<'_>, dialect: &Dialect) -> bool {
    let has = |letters: &[u8]| letters.iter().any(|&letter| given.has(letter));
    let bases = dialect.integer_bases.0..=dialect.integer_bases.1;
    let base = given.value(b'i').and_then(|text| number(text.bytes()));
    (dialect.fields_hold_no_numbers && has(b"iEF") && has(b"LRZ"))
        || (dialect.other_bases_are_refused && base.is_some_and(|base| !bases.contains(&base)))
}

impl Walker {
    /// Gives a variable the kind and the field that a declaration names.
    pub(super) fn attributes(
        &mut self,
        name: &[u8],
        declaration: &Declaration<'_>,
        stays: bool,
    ) -> Result<(), Stop> {
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
            return Ok(());
        }
        let variable = self.state.variables.entry(name);
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
            for (key, text) in elements.clone() {
                self.state.store(name, Some(Key::Number(key)), text, span)?;
            }
            return Ok(());
        }
        let value = variable.as_given().scalar().cloned();
        let changes = stays && self.state.dialect.attributes_change_values;
        if let Some(text) = value.filter(|_| changes) {
            self.state.store(name, None, text, span)?;
        }
        Ok(())
    }

    /// The kind of variable that `-i`, `-E`, `-F`, `-u`, `-l`, `-c` or their opposites name.
    fn kind_given(&self, name: &[u8], given: &Given<'_>) -> Option<Keeps> {
        let dialect = &self.state.dialect;
        let digits = |letter| match width(given, letter) {
            0 if given.value(letter).is_none() => 10,
            digits => digits,
        };
        let (least, most) = dialect.integer_bases;
        let base = given.value(b'i').and_then(|text| number(text.bytes())).unwrap_or(10);
        let base = if (least..=most).contains(&base) { base as u32 } else { 10 };
        let takes_base = dialect.integers_take_base != TakesBase::Never;
        let base = if takes_base && given.value(b'i').is_none() { 0 } else { base };
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
                unsigned: given.has(b'U'),
                capitals: given.has(b'u'),
            }),
            () if given.has(b'i') => Keeps::Integer(Digits::of(base)),
            () if cases > 1 && !dialect.both_cases_are_lower => Keeps::Text,
            () if given.has(b'u') && cases == 1 => Keeps::Upper,
            () if given.has(b'l') => Keeps::Lower,
            () if given.has(b'c') && dialect.capital_attribute => Keeps::Capital,
            () if taken_back.iter().any(|letter| given.takes_back(*letter)) => Keeps::Text,
            () if given.takes_back(b'U') => match self.state.variables.get(name)?.keeps {
                Keeps::Integer(digits) => Keeps::Integer(Digits { unsigned: false, ..digits }),
                _ => return None,
            },
            () => return None,
        })
    }

    /// The field that `-L`, `-R` or `-Z` names.
    fn field_given(&self, given: &Given<'_>) -> Option<Field> {
        let (right, zeros, left_zeros) = self.state.dialect.field_paddings;
        let either = |letter, other| if given.value(letter).is_some() { letter } else { other };
        let (letter, padding) = match (given.has(b'L'), given.has(b'R'), given.has(b'Z')) {
            (true, _, true) => (either(b'L', b'Z'), left_zeros),
            (true, right, _) if !right || self.state.dialect.left_field_wins => {
                (b'L', Padding::Left)
            }
            (_, true, false) => (b'R', right),
            (_, _, true) => (either(b'Z', b'R'), zeros),
            _ => return None,
        };
        Some(Field { padding, width: width(given, letter) })
    }

    /// Whether a variable loses the field that it fills: it becomes a number, or is one no more.
    fn loses_field(&self, name: &[u8], kind: Option<Keeps>, given: &Given<'_>) -> bool {
        let looks = self.state.dialect.attributes_are_looks;
        let taken_back = [b'L', b'R', b'Z'].into_iter().any(|letter| given.takes_back(letter));
        let is_number = |kind| matches!(kind, Keeps::Integer(_) | Keeps::Real { .. });
        let before = self.state.variables.get(name).map_or(Keeps::Text, |one| one.keeps);
        match (kind, looks) {
            (_, true) if taken_back => true,
            (Some(kind), true) => is_number(kind) != is_number(before),
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
