//! The commands that make variables again, as each shell words them.

use crate::dialect::{Padding, Told};
use crate::expand::options_of;
use crate::expand::quoting::{double_quoted, told};
use crate::expand::transform::attributes;
use crate::state::{Digits, Keeps, Key, Side, Value, Variable, element_name};
use crate::walk::Walker;
use crate::walk::builtins::tell::values::listed_by_declare;

impl Walker {
    /// The command that makes a variable again.
    pub(super) fn command_for(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        match self.state.dialect.told_variables {
            Told::Nothing => Vec::new(),
            Told::Declare => self.told_by_declare(name, variable),
            Told::Bare => self.told_bare(name, variable),
            Told::Elements => self.told_by_elements(name, variable),
            Told::Lists => self.told_with_lists(name, variable),
        }
    }

    /// An element that mksh was asked for by a name that means it.
    pub(super) fn told_element(&self, written: &[u8]) -> Option<Vec<u8>> {
        let (array, index) = element_name(written)?;
        let number = std::str::from_utf8(index).ok()?.parse().ok()?;
        let text = self.state.variables.element(array, &Key::Number(number))?;
        Some([b"typeset ", written, b"=", &self.quoted(text)].concat())
    }

    /// As bash tells it: `declare -LETTERS name="value"`.
    fn told_by_declare(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let letters = attributes(variable);
        let letters = if letters.is_empty() { "-".into() } else { letters };
        let command = format!("declare -{letters} ").into_bytes();
        [command, declared(name, variable)].concat()
    }

    /// As ksh93 tells it: a variable without attributes has no command before it.
    fn told_bare(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let mut words = options_of(variable);
        if matches!(variable.value, Value::Compound) && !variable.read_only {
            words.insert(0, "-C".into());
        }
        let mut line = Vec::new();
        if !words.is_empty() {
            line.extend_from_slice(format!("typeset {} ", words.join(" ")).as_bytes());
        }
        line.extend(self.told_assignments(name, variable).concat());
        line
    }
    /// As mksh tells it: an array element by element.
    fn told_by_elements(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        if matches!(&variable.value, Value::Indexed(elements) if elements.is_empty()) {
            let value = Value::Nothing;
            return self.told_by_elements(name, &Variable { value, ..variable.clone() });
        }
        let command = [b"typeset", element_options(variable).as_bytes(), b" "].concat();
        let assignments = self.told_assignments(name, variable).into_iter();
        let mut lines: Vec<Vec<u8>> =
            assignments.map(|one| [&command[..], &one].concat()).collect();
        if let Value::Indexed(_) = variable.value {
            lines.insert(0, [b"set -A ", name].concat());
        }
        lines.join(&b'\n')
    }

    /// As zsh tells it: what is exported with `export`, unless the function has made it; lists with blanks inside the
    /// parentheses.
    fn told_with_lists(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let is_list = matches!(variable.value, Value::Indexed(_) | Value::Associative(_));
        let exported = variable.exported && !is_list && !self.is_own(name);
        let command = if exported { "export" } else { "typeset" };
        let mut letters = Letters::default();
        if !self.scopes.is_empty() && !self.is_own(name) && !exported {
            letters.written += " -g";
        }
        letters.add(matches!(variable.value, Value::Indexed(_)), 'a');
        letters.add(matches!(variable.value, Value::Associative(_)), 'A');
        match variable.keeps {
            Keeps::Integer(Digits { base: 0, .. }) => letters.add(true, 'i'),
            Keeps::Integer(digits) => letters.numbered('i', digits.base as usize),
            Keeps::Real { letter: b'f', .. } => letters.add(true, 'F'),
            Keeps::Real { .. } => letters.add(true, 'E'),
            _ => {}
        }
        if let Some(field) = variable.field {
            let letter = match field.side() {
                Side::Left => 'L',
                Side::Right => 'R',
                Side::Zeros => 'Z',
            };
            letters.numbered(letter, field.width);
        }
        letters.add(variable.keeps == Keeps::Lower, 'l');
        letters.add(variable.read_only, 'r');
        letters.add(variable.keeps == Keeps::Upper, 'u');
        letters.add(variable.exported && (is_list || self.is_local(name)), 'x');
        letters.add(variable.unique, 'U');
        let tie = self.state.tie(name).filter(|_| self.is_told_tied(name)).cloned();
        letters.add(tie.is_some(), 'T');
        let letters = letters.written;
        if let Some(tie) = tie {
            let list = self.state.variables.get(&tie.list);
            let value = list.map_or_else(|| b"(  )".to_vec(), |list| self.listed_value(list));
            let mut line = [command.as_bytes(), letters.as_bytes(), b" "].concat();
            line.extend([&tie.text[..], b" ", &tie.list].concat());
            if matches!(variable.value, Value::Nothing) {
                return line;
            }
            line.extend([b"=", &value[..]].concat());
            if tie.separator != b':' {
                line.extend([b" ", &told(&self.state.dialect, &[tie.separator])[..]].concat());
            }
            return line;
        }
        if let Value::Nothing = variable.value {
            return [command.as_bytes(), letters.as_bytes(), b" ", name].concat();
        }
        let value = self.listed_value(variable);
        [command.as_bytes(), letters.as_bytes(), b" ", name, b"=", &value].concat()
    }

    /// Whether both tied variables are there, or neither is yet, so that each tells the other.
    fn is_told_tied(&self, name: &[u8]) -> bool {
        let is_there = |name: &[u8]| self.state.variables.get(name).is_some();
        self.state.tie(name).is_some_and(|tie| is_there(&tie.text) == is_there(&tie.list))
    }
}

/// The options with which mksh tells a variable.
fn element_options(variable: &Variable) -> String {
    let mut options = String::new();
    let mut flag = |is: bool, letter: &str| options += if is { letter } else { "" };
    flag(matches!(variable.keeps, Keeps::Integer(_)), " -i");
    flag(variable.exported, " -x");
    flag(variable.read_only, " -r");
    if let Some(field) = variable.field {
        let width = field.width;
        let options = match (field.side(), field.padding) {
            (Side::Left, Padding::LeftZeros) => format!(" -L{width} -Z"),
            (Side::Left, _) => format!(" -L{width}"),
            (Side::Right, _) => format!(" -R{width}"),
            (Side::Zeros, _) => format!(" -R{width} -Z"),
        };
        flag(true, &options);
    }
    flag(variable.keeps == Keeps::Lower, " -l");
    flag(variable.keeps == Keeps::Upper, " -u");
    if let Keeps::Integer(digits) = variable.keeps {
        flag(digits.capitals, " -u");
        flag(digits.unsigned, " -U");
    }
    flag(variable.keeps == Keeps::Name, " -n");
    options
}

/// Option letters as zsh joins them: ` -ar -L3 -l`.
#[derive(Default)]
struct Letters {
    written: String,
    /// Whether another letter can follow the latest directly.
    open: bool,
}

impl Letters {
    fn add(&mut self, is: bool, letter: char) {
        if !is {
            return;
        }
        if !std::mem::replace(&mut self.open, true) {
            self.written.push_str(" -");
        }
        self.written.push(letter);
    }

    /// A letter with its number, unless that is 0.
    fn numbered(&mut self, letter: char, number: usize) {
        self.add(true, letter);
        if number > 0 {
            self.written += &number.to_string();
            self.open = false;
        }
    }
}

/// `name="value"`, as `declare` tells it.
pub(super) fn declared(name: &[u8], variable: &Variable) -> Vec<u8> {
    let value = match &variable.value {
        Value::Nothing => return name.to_vec(),
        _ if variable.bare => return name.to_vec(),
        Value::Scalar(text) => double_quoted(text.bytes()),
        list => listed_by_declare(list),
    };
    [name, b"=", value.as_bytes()].concat()
}
