//! What a variable holds, and how it keeps it.

use std::borrow::Cow;
use std::collections::BTreeMap;
use std::rc::Rc;

use crate::lineage::{Origin, Rule};
use crate::real::Real;
use crate::source::Span;
use crate::state::inside::{self, Inside};
use crate::state::{Associative, Field};
use crate::text::{Standing, Text};

/// What a variable holds.
#[derive(Clone, Debug)]
pub enum Value {
    /// Declared, but nothing assigned.
    Nothing,
    /// One value.
    Scalar(Text),
    /// An indexed array.
    Indexed(BTreeMap<i64, Text>),
    /// An associative array.
    Associative(Associative),
    /// Nothing but its members; what it shows for a value is made of them.
    Compound,
}

impl Value {
    /// Replaces what the name alone stands for: of an array, the element `0`.
    pub(crate) fn put_first(&mut self, text: Text) {
        match self {
            Value::Indexed(elements) => {
                elements.insert(0, text);
            }
            Value::Associative(elements) => elements.set_first(text),
            value => *value = Value::Scalar(text),
        }
    }
}

/// An element that has no value: reading it in an expression has made it, where reading does that.
pub(crate) fn made_by_reading(name: &Rc<[u8]>, span: Span) -> Text {
    let mut text = Text::new();
    text.push(b"", Standing::Quoted, &Origin::named(Rule::Arithmetic, span, name));
    text
}

/// Whether nothing but reading has made an element; no result of an expression is empty.
pub(crate) fn is_made_by_reading(text: &Text) -> bool {
    text.is_empty()
        && text.runs().next().is_some_and(|(run, _)| run.origin.rule() == Rule::Arithmetic)
}

/// The elements of an indexed array that are gone through: where some are missing, those that
/// nothing but reading has made are passed over as well (observed in ksh93u+m 1.0.4).
pub(crate) fn listed(elements: &BTreeMap<i64, Text>) -> impl Iterator<Item = (i64, &Text)> {
    let end = elements.last_key_value().map_or(0, |(last, _)| last + 1);
    let has_gaps = end > elements.len() as i64;
    let shows = move |text: &Text| !has_gaps || !is_made_by_reading(text);
    elements.iter().filter(move |(_, text)| shows(text)).map(|(index, text)| (*index, text))
}

/// The key of an array's element.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Key {
    /// Of an indexed array.
    Number(i64),
    /// Of an associative array.
    Text(Text),
}

impl Key {
    /// How it is written.
    pub fn to_bytes(&self) -> Vec<u8> {
        match self {
            Key::Number(number) => number.to_string().into_bytes(),
            Key::Text(text) => text.bytes().to_vec(),
        }
    }
}

/// A variable with its attributes.
#[derive(Clone, Debug)]
pub struct Variable {
    /// What it holds.
    pub value: Value,
    /// Whether it is exported.
    pub exported: bool,
    /// Whether it may not change.
    pub read_only: bool,
    /// What happens to a value when it is stored.
    pub keeps: Keeps,
    /// The field that its value fills.
    pub field: Option<Field>,
    /// The real whose digits the value has, where it keeps more than those.
    pub real: Option<Real>,
    /// The text that was assigned, where the value is only how it is shown.
    pub given: Option<Box<Text>>,
    /// Whether the shell keeps it itself; the value is that of the latest look.
    pub own: bool,
    /// Whether an array keeps only the first of elements that are the same.
    pub unique: bool,
    /// Whether it is an array that has been declared, and nothing has been assigned to it.
    pub bare: bool,
    /// The variables inside it.
    pub inside: Option<Rc<Inside>>,
    /// Whether functions may stand between it and what reads or changes it.
    pub disciplined: bool,
}

/// How an integer variable shows its value.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Digits {
    /// The base; 0 if it has none yet, and 1 where it is shown as a character.
    pub base: u32,
    /// How many bits the variable has.
    pub bits: u32,
    /// Whether a value below 0 is shown as the large number with the same bits.
    pub unsigned: bool,
    /// Whether letters among the digits are capitals.
    pub capitals: bool,
}

impl Digits {
    /// Digits of a base, of 64 bits, with a sign and in small letters.
    pub fn of(base: u32) -> Digits {
        Digits { base, bits: 64, unsigned: false, capitals: false }
    }

    /// What a variable keeps of a number. What is assigned as text and too far below 0 becomes the least
    /// number of 32 bits; everything else loses its upper bits.
    pub fn kept(self, value: i128, is_text: bool) -> i64 {
        let least = if is_text && self.bits < 64 { i32::MIN.into() } else { i128::MIN };
        let value = if self.unsigned { value } else { value.max(least) } as i64;
        let upper = 64 - self.bits;
        match self.unsigned {
            true => ((value as u64) << upper >> upper) as i64,
            false => value << upper >> upper,
        }
    }
}

/// What a variable makes of a value that is assigned to it.
#[derive(Clone, Copy, PartialEq, Eq, Default, Debug)]
pub enum Keeps {
    /// The text as it is.
    #[default]
    Text,
    /// The value of the arithmetic expression that the text is, shown like this.
    Integer(Digits),
    /// The value of the arithmetic expression, as a conversion of `printf` shows it.
    Real {
        /// The letter of the conversion.
        letter: u8,
        /// How many digits it shows.
        digits: usize,
        /// Whether a `long double` is kept where the shell has those; otherwise a `double`.
        long: bool,
    },
    /// The text in capitals.
    Upper,
    /// The text with one capital at its start, the rest in small letters.
    Capital,
    /// The text in small letters.
    Lower,
    /// The text is the name of another variable, which is meant instead.
    Name,
}

impl Keeps {
    /// Whether the text is only shown in another way.
    pub fn is_a_look(self) -> bool {
        matches!(self, Keeps::Upper | Keeps::Capital | Keeps::Lower)
    }
}

impl Variable {
    /// One without attributes.
    pub fn holding(value: Value) -> Variable {
        Variable {
            value,
            exported: false,
            read_only: false,
            keeps: Keeps::Text,
            field: None,
            real: None,
            given: None,
            own: false,
            unique: false,
            bare: false,
            inside: None,
            disciplined: false,
        }
    }

    /// One that the shell keeps itself.
    pub fn own(value: Value) -> Variable {
        Variable { own: true, ..Variable::holding(value) }
    }

    /// Whether it has neither a value nor an attribute.
    pub fn is_nothing(&self) -> bool {
        let has_kind = self.keeps != Keeps::Text || self.field.is_some();
        let is_plain = !has_kind && !self.exported && !self.read_only;
        matches!(self.value, Value::Nothing) && is_plain
    }

    /// The variable as it was assigned.
    pub fn as_given(&self) -> Cow<'_, Variable> {
        match &self.given {
            None => Cow::Borrowed(self),
            Some(text) => {
                let value = Value::Scalar((**text).clone());
                Cow::Owned(Variable { value, ..self.clone() })
            }
        }
    }

    /// An element is going to be a text, whatever it was before; what is compound loses its members.
    pub(super) fn flatten(&mut self, key: &Key) {
        let is_compound = matches!(self.value, Value::Compound);
        if is_compound {
            self.inside = None;
        }
        let Some(inside) = &mut self.inside else { return };
        match key {
            Key::Number(index) => Rc::make_mut(inside).flatten(&inside::number(*index)),
            Key::Text(key) => Rc::make_mut(inside).flatten(key.bytes()),
        }
    }

    /// How many elements an array has that are passed over when it is gone through.
    pub fn hidden_count(&self) -> usize {
        match &self.value {
            Value::Indexed(elements) => elements.len() - listed(elements).count(),
            _ => 0,
        }
    }

    /// The value of `$name`: of an array, the element with index 0.
    pub fn scalar(&self) -> Option<&Text> {
        match &self.value {
            Value::Nothing => None,
            Value::Scalar(text) => Some(text),
            Value::Compound => self.shown(),
            Value::Indexed(elements) => Some(self.text_of(|| b"0".to_vec(), elements.get(&0)?)),
            Value::Associative(elements) => {
                Some(self.text_of(|| b"0".to_vec(), elements.get(b"0")?))
            }
        }
    }
}
