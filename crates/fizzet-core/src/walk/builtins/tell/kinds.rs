//! What variables are, in the words of ksh93 and zsh.

use crate::dialect::Told;
use crate::state::{Digits, Field, Keeps, Side, Value, Variable};
use crate::walk::Walker;

impl Walker {
    /// What a variable is, in words; empty if it is nothing special.
    pub(super) fn kinds(&self, name: &[u8], variable: &Variable) -> String {
        match self.state.dialect.told_variables {
            Told::Lists => self.kinds_of_lists(name, variable),
            _ => bare_kinds(variable),
        }
    }

    /// What a variable of zsh is, in words.
    fn kinds_of_lists(&self, name: &[u8], variable: &Variable) -> String {
        let mut words: Vec<String> = Vec::new();
        let mut say = |is: bool, word: &str| {
            if is {
                words.push(word.into());
            }
        };
        match variable.keeps {
            Keeps::Integer(Digits { base: 0, .. }) => say(true, "integer"),
            Keeps::Integer(digits) => say(true, &format!("integer {}", digits.base)),
            Keeps::Real { .. } => say(true, "float"),
            _ => {}
        }
        say(matches!(variable.value, Value::Indexed(_)), "array");
        say(matches!(variable.value, Value::Associative(_)), "association");
        say(self.is_local(name), "local");
        if let Some(field) = variable.field {
            let side = match field.side() {
                Side::Left => "left justified",
                Side::Right => "right justified",
                Side::Zeros => "zero filled",
            };
            say(true, &format!("{side} {}", field.width));
        }
        say(variable.keeps == Keeps::Lower, "lowercase");
        say(variable.read_only, "readonly");
        say(variable.keeps == Keeps::Upper, "uppercase");
        say(variable.exported && self.is_local(name), "exported");
        say(variable.unique, "unique");
        if let Some(tie) = self.state.tie(name) {
            let other = if *tie.list == *name { &tie.text } else { &tie.list };
            say(true, &format!("tied {}", String::from_utf8_lossy(other)));
        }
        words.join(" ")
    }
}

/// What a variable of ksh93 is, in words.
fn bare_kinds(variable: &Variable) -> String {
    let mut words: Vec<String> = Vec::new();
    let mut say = |is: bool, word: &str| {
        if is {
            words.push(word.into());
        }
    };
    say(variable.exported, "export");
    say(variable.read_only, "readonly");
    say(matches!(variable.value, Value::Indexed(_)), "indexed array");
    say(matches!(variable.value, Value::Associative(_)), "associative array");
    if let Keeps::Integer(digits) = variable.keeps {
        say(digits.bits == 64, "long");
        say(digits.bits == 16, "short");
        say(digits.unsigned, "unsigned");
    }
    match variable.keeps {
        Keeps::Integer(Digits { base: 0 | 10, .. }) => say(true, "integer"),
        Keeps::Integer(digits) => say(true, &format!("integer base {}", digits.base)),
        Keeps::Real { letter: b'f', digits: 10, .. } => say(true, "float"),
        Keeps::Real { letter: b'f', digits, .. } => say(true, &format!("float precision {digits}")),
        Keeps::Real { digits: 10, .. } => say(true, "exponential"),
        Keeps::Real { digits, .. } => say(true, &format!("exponential precision {digits}")),
        Keeps::Upper => say(true, "toupper"),
        Keeps::Lower => say(true, "tolower"),
        Keeps::Name => say(true, "nameref"),
        Keeps::Capital | Keeps::Text => {}
    }
    if let Some(Field { width, .. }) = variable.field {
        let side = variable.field.map(Field::side);
        say(side == Some(Side::Zeros), &format!("zerofill {width}"));
        let justified = if side == Some(Side::Left) { "leftjust" } else { "rightjust" };
        say(true, &format!("{justified} {width}"));
    }
    words.join(" ")
}
