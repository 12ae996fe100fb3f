//! The values of variables, as each shell tells them behind `name=`.

use crate::dialect::Told;
use crate::expand::quoting::{quoted_if_needed, told};
use crate::expand::transform::{listed, pair, subscript};
use crate::state::{Keeps, Value, Variable, shown_name};
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// `name=value`, or the name alone; mksh assigns the elements of an array one by one.
    pub(super) fn told_assignments(&self, name: &[u8], variable: &Variable) -> Vec<Vec<u8>> {
        let named = |value: Vec<u8>| vec![[name, b"=", &value[..]].concat()];
        match (self.state.dialect.told_variables, &variable.value) {
            (_, Value::Nothing) => vec![name.to_vec()],
            (Told::Bare, Value::Indexed(_)) if variable.bare => vec![name.to_vec()],
            (Told::Lists, _) => named(self.listed_value(variable)),
            (Told::Declare, Value::Scalar(text)) => {
                named(quoted_if_needed(text.bytes(), self.state.options.posix))
            }
            (Told::Declare, list) => named(listed_by_declare(list).into_bytes()),
            (_, Value::Scalar(text)) => named(self.quoted_value(text, variable.keeps)),
            (Told::Elements, Value::Indexed(elements)) => {
                let one = |(key, text): (&i64, &Text)| {
                    [name, format!("[{key}]=").as_bytes(), &self.quoted(text)].concat()
                };
                elements.iter().map(one).collect()
            }
            _ => named(self.state.shown_value(variable, false).bytes().to_vec()),
        }
    }

    pub(super) fn quoted(&self, text: &Text) -> Vec<u8> {
        told(&self.state.dialect, text.bytes())
    }

    /// The value of a variable that is no array; a number needs no quotes.
    pub(super) fn quoted_value(&self, text: &Text, keeps: Keeps) -> Vec<u8> {
        match keeps {
            Keeps::Integer(_) => text.bytes().to_vec(),
            Keeps::Name => self.quoted(&text.with_bytes(shown_name(text.bytes()))),
            _ => self.quoted(text),
        }
    }

    /// A value as zsh lists it, with blanks inside the parentheses of a list.
    pub(super) fn listed_value(&self, variable: &Variable) -> Vec<u8> {
        match &variable.value {
            Value::Nothing | Value::Compound => Vec::new(),
            Value::Scalar(text) if matches!(variable.keeps, Keeps::Integer(_)) => {
                in_decimal(text.bytes())
            }
            Value::Scalar(text) => self.quoted_value(text, variable.keeps),
            Value::Indexed(elements) => {
                let last = elements.last_key_value().map_or(0, |(last, _)| *last);
                let empty = Text::new();
                let items = (1..=last).map(|at| self.quoted(elements.get(&at).unwrap_or(&empty)));
                [&b"( "[..], &items.collect::<Vec<_>>().join(&b' '), b" )"].concat()
            }
            Value::Associative(elements) if elements.pairs().is_empty() => b"( )".to_vec(),
            Value::Associative(elements) => {
                let mut pairs = elements.pairs();
                pairs.sort_by_key(|(key, _)| key.bytes());
                let items = pairs.into_iter().map(|(key, text)| {
                    [b"[", &self.quoted(key)[..], b"]=", &self.quoted(text)].concat()
                });
                [&b"( "[..], &items.collect::<Vec<_>>().join(&b' '), b" )"].concat()
            }
        }
    }
}

/// An integer without the base that it is shown with.
fn in_decimal(shown: &[u8]) -> Vec<u8> {
    let text = String::from_utf8_lossy(shown);
    let (sign, digits) = match text.strip_prefix('-') {
        Some(digits) => ("-", digits),
        None => ("", &*text),
    };
    let number = digits.split_once('#').and_then(|(base, digits)| {
        let base = base.parse().ok().filter(|base| (2..=36).contains(base))?;
        u64::from_str_radix(digits, base).ok()
    });
    match number {
        Some(number) => format!("{sign}{number}").into_bytes(),
        None => shown.to_vec(),
    }
}

/// A list as `declare` tells it: `([0]="a" [1]="b")`.
pub(super) fn listed_by_declare(list: &Value) -> String {
    match list {
        Value::Indexed(elements) => {
            listed(elements.iter().map(|(key, text)| pair(&key.to_string(), text)).collect(), false)
        }
        Value::Associative(elements) => listed(
            elements.pairs().into_iter().map(|(key, text)| pair(&subscript(key), text)).collect(),
            true,
        ),
        Value::Nothing | Value::Scalar(_) | Value::Compound => String::new(),
    }
}
