//! Variables.

use std::collections::{BTreeMap, HashMap};
use std::rc::Rc;

use crate::text::Text;

/// What a variable holds.
#[derive(Clone, Debug)]
pub enum Value {
    /// Declared, but nothing assigned.
    Nothing,
    /// One value.
    Scalar(Text),
    /// An indexed array.
    Indexed(BTreeMap<i64, Text>),
    /// An associative array, in the order of insertion.
    Associative(Vec<(Text, Text)>),
}

/// The key of an array's element.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Key {
    /// Of an indexed array.
    Number(i64),
    /// Of an associative array.
    Text(Text),
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
}

impl Variable {
    fn holding(value: Value) -> Variable {
        Variable { value, exported: false, read_only: false }
    }

    /// The value of `$name`: of an array, the element with index 0.
    pub fn scalar(&self) -> Option<&Text> {
        match &self.value {
            Value::Nothing => None,
            Value::Scalar(text) => Some(text),
            Value::Indexed(elements) => elements.get(&0),
            Value::Associative(elements) => {
                elements.iter().find(|(key, _)| key.bytes() == b"0").map(|(_, value)| value)
            }
        }
    }
}

/// All variables by name.
#[derive(Clone, Default, Debug)]
pub struct Variables {
    by_name: HashMap<Rc<[u8]>, Variable>,
}

impl Variables {
    /// The variable of this name.
    pub fn get(&self, name: &[u8]) -> Option<&Variable> {
        self.by_name.get(name)
    }

    /// The value of `$name`.
    pub fn scalar(&self, name: &[u8]) -> Option<&Text> {
        self.get(name)?.scalar()
    }

    /// The value of an element; a scalar is its own element 0.
    pub fn element(&self, name: &[u8], key: &Key) -> Option<&Text> {
        match (&self.get(name)?.value, key) {
            (Value::Scalar(text), Key::Number(0 | -1)) => Some(text),
            (Value::Indexed(elements), Key::Number(number)) => {
                let number = match number {
                    0.. => *number,
                    _ => elements.last_key_value()?.0 + 1 + number,
                };
                elements.get(&number)
            }
            (Value::Associative(elements), Key::Text(wanted)) => {
                elements.iter().find(|(key, _)| key == wanted).map(|(_, text)| text)
            }
            _ => None,
        }
    }

    /// Sets an element; a scalar becomes an indexed array.
    pub fn set_element(&mut self, name: &[u8], key: Key, mut text: Text) {
        text.bound_runs();
        let variable = self.entry(name);
        match key {
            Key::Number(number) => {
                let mut elements = match std::mem::replace(&mut variable.value, Value::Nothing) {
                    Value::Indexed(elements) => elements,
                    Value::Scalar(text) => BTreeMap::from([(0, text)]),
                    _ => BTreeMap::new(),
                };
                let number = match number {
                    0.. => number,
                    _ => elements.last_key_value().map_or(0, |(last, _)| last + 1 + number),
                };
                elements.insert(number.max(0), text);
                variable.value = Value::Indexed(elements);
            }
            Key::Text(key) => {
                if !matches!(variable.value, Value::Associative(_)) {
                    variable.value = Value::Associative(Vec::new());
                }
                let Value::Associative(elements) = &mut variable.value else { return };
                match elements.iter_mut().find(|(known, _)| *known == key) {
                    Some((_, value)) => *value = text,
                    None => elements.push((key, text)),
                }
            }
        }
    }

    /// Sets a value and keeps the attributes. The value is bounded in its runs.
    pub fn set(&mut self, name: &[u8], mut text: Text) {
        text.bound_runs();
        match self.by_name.get_mut(name) {
            Some(variable) => match &mut variable.value {
                Value::Indexed(elements) => {
                    elements.insert(0, text);
                }
                _ => variable.value = Value::Scalar(text),
            },
            None => {
                self.by_name.insert(name.into(), Variable::holding(Value::Scalar(text)));
            }
        }
    }

    /// The variable of this name, made if need be.
    pub fn entry(&mut self, name: &[u8]) -> &mut Variable {
        self.by_name.entry(name.into()).or_insert_with(|| Variable::holding(Value::Nothing))
    }

    /// Takes an element away.
    pub fn remove_element(&mut self, name: &[u8], key: &Key) {
        let Some(variable) = self.by_name.get_mut(name) else { return };
        match (&mut variable.value, key) {
            (Value::Indexed(elements), Key::Number(number)) => {
                elements.remove(number);
            }
            (Value::Associative(elements), Key::Text(wanted)) => {
                elements.retain(|(key, _)| key != wanted);
            }
            _ => {}
        }
    }

    /// Takes a variable away and answers what it was.
    pub fn remove(&mut self, name: &[u8]) -> Option<Variable> {
        self.by_name.remove(name)
    }

    /// Puts back what was saved: a variable, or that there was none.
    pub fn restore(&mut self, name: &[u8], saved: Option<Variable>) {
        match saved {
            Some(variable) => {
                self.by_name.insert(name.into(), variable);
            }
            None => {
                self.by_name.remove(name);
            }
        }
    }

    /// The keys of an array; a scalar has the key 0.
    pub fn keys(&self, name: &[u8]) -> Vec<Vec<u8>> {
        match self.get(name).map(|variable| &variable.value) {
            None | Some(Value::Nothing) => Vec::new(),
            Some(Value::Scalar(_)) => vec![b"0".to_vec()],
            Some(Value::Indexed(elements)) => {
                elements.keys().map(|key| key.to_string().into_bytes()).collect()
            }
            Some(Value::Associative(elements)) => {
                elements.iter().map(|(key, _)| key.bytes().to_vec()).collect()
            }
        }
    }

    /// All names, sorted.
    pub fn names(&self) -> Vec<&[u8]> {
        let mut names: Vec<&[u8]> = self.by_name.keys().map(|name| &**name).collect();
        names.sort_unstable();
        names
    }
}
