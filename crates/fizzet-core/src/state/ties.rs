//! Variables that are tied: a list, and a text of its elements with a separator between them (`PATH`
//! and `path`, and what `typeset -T` of zsh adds; observed in zsh 5.9).

use std::collections::BTreeMap;
use std::rc::Rc;

use crate::state::{State, Value};
use crate::text::Text;

/// A text and a list that say the same.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Tie {
    /// The variable with the text.
    pub text: Rc<[u8]>,
    /// The variable with the list.
    pub list: Rc<[u8]>,
    /// What stands between the elements.
    pub separator: u8,
    /// Whether `unset` leaves the tie.
    pub lasts: bool,
}

/// The ties that there are from the start.
const AT_START: &[(&str, &str)] = &[
    ("PATH", "path"),
    ("CDPATH", "cdpath"),
    ("FPATH", "fpath"),
    ("MANPATH", "manpath"),
    ("FIGNORE", "fignore"),
    ("MAILPATH", "mailpath"),
    ("MODULE_PATH", "module_path"),
    ("PSVAR", "psvar"),
];

/// Names that mean one variable.
const SAME: &[&[&[u8]]] = &[
    &[b"PS1", b"PROMPT", b"prompt"],
    &[b"PS2", b"PROMPT2"],
    &[b"PS3", b"PROMPT3"],
    &[b"PS4", b"PROMPT4"],
    &[b"HISTCHARS", b"histchars"],
];

/// The ties of a shell that has them.
pub(super) fn at_start() -> Rc<Vec<Tie>> {
    let tie = |&(text, list): &(&str, &str)| Tie {
        text: text.as_bytes().into(),
        list: list.as_bytes().into(),
        separator: b':',
        lasts: true,
    };
    Rc::new(AT_START.iter().map(tie).collect())
}

impl State {
    /// The tie that a variable is in.
    pub fn tie(&self, name: &[u8]) -> Option<&Tie> {
        self.ties.iter().find(|tie| *tie.text == *name || *tie.list == *name)
    }

    /// Ties the variables that are known at the start.
    pub fn tie_inherited(&mut self) {
        for tie in self.ties.clone().iter() {
            if self.variables.get(&tie.text).is_some() {
                self.follow_tie(&tie.text);
            }
        }
    }

    /// One of two tied variables was changed: the other one follows.
    pub fn follow_tie(&mut self, changed: &[u8]) {
        if self.ties.is_empty() {
            return;
        }
        if let Some(names) = SAME.iter().find(|names| names.contains(&changed)) {
            let value = self.variables.scalar(changed).cloned().unwrap_or_default();
            for name in names.iter().filter(|name| **name != changed) {
                self.variables.set(name, value.clone());
            }
            return;
        }
        let Some(tie) = self.tie(changed).cloned() else { return };
        match *tie.list == *changed {
            true => {
                let joined = self.joined_list(&tie);
                self.variables.set(&tie.text, joined);
            }
            false => {
                let whole = self.variables.scalar(&tie.text).cloned().unwrap_or_default();
                self.variables.entry(&tie.list).value =
                    Value::Indexed(pieces(&whole, tie.separator));
                self.drop_tied_repeats(&tie);
            }
        }
    }

    /// Ends a tie that `typeset` has made, when one of its variables is unset.
    pub fn untie(&mut self, name: &[u8]) {
        if self.tie(name).is_some_and(|tie| !tie.lasts) {
            Rc::make_mut(&mut self.ties).retain(|tie| *tie.text != *name && *tie.list != *name);
        }
    }

    fn joined_list(&self, tie: &Tie) -> Text {
        let mut joined = Text::new();
        for (at, element) in self.variables.values(&tie.list).iter().enumerate() {
            if at > 0 {
                joined.push_text(&self.shell_text(&[tie.separator]));
            }
            joined.push_text(element);
        }
        joined
    }

    /// A list that keeps each element once makes its text follow.
    fn drop_tied_repeats(&mut self, tie: &Tie) {
        let unique = |name: &[u8]| self.variables.get(name).is_some_and(|one| one.unique);
        if unique(&tie.list) || unique(&tie.text) {
            self.variables.drop_repeats(&tie.list);
            let joined = self.joined_list(tie);
            self.variables.set(&tie.text, joined);
        }
    }

    /// Keeps each element of an array once, where it was declared so.
    pub(crate) fn drop_repeats(&mut self, name: &[u8]) {
        if self.variables.get(name).is_some_and(|variable| variable.unique) {
            match self.tie(name).cloned() {
                Some(tie) => self.drop_tied_repeats(&tie),
                None => self.variables.drop_repeats(name),
            }
        }
        self.follow_tie(name);
    }
}

/// The elements of a text, numbered from 1.
fn pieces(whole: &Text, separator: u8) -> BTreeMap<i64, Text> {
    let (mut pieces, mut from) = (BTreeMap::new(), 0);
    for piece in whole.bytes().split(|&byte| byte == separator) {
        pieces.insert(pieces.len() as i64 + 1, whole.slice(from, from + piece.len()));
        from += piece.len() + 1;
    }
    pieces
}
