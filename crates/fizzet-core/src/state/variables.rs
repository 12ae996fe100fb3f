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

    /// All names, sorted.
    pub fn names(&self) -> Vec<&[u8]> {
        let mut names: Vec<&[u8]> = self.by_name.keys().map(|name| &**name).collect();
        names.sort_unstable();
        names
    }
}
