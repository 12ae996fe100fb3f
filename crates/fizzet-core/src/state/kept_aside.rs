//! Variables that a function keeps another one from being seen under their name, while names of names
//! still mean them.

use std::rc::Rc;

use crate::state::{Value, Variables, element_name};

/// What begins and what ends the part before the name; no name of a variable holds them.
const MARKS: (u8, u8) = (1, 2);

/// Why a variable is not seen.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeptFor {
    /// A function has one of its own.
    Hidden,
    /// It is one of the caller.
    Caller,
}

/// The name under which a variable is kept meanwhile, for the function so many calls deep.
pub fn kept_name(name: &[u8], depth: usize, why: KeptFor) -> Rc<[u8]> {
    let letter = match why {
        KeptFor::Hidden => 'h',
        KeptFor::Caller => 'c',
    };
    [&[MARKS.0], format!("{letter}{depth}").as_bytes(), &[MARKS.1], name].concat().into()
}

/// The name as people know it.
pub fn shown_name(name: &[u8]) -> &[u8] {
    match name.first() == Some(&MARKS.0) {
        true => name.iter().position(|&byte| byte == MARKS.1).map_or(name, |at| &name[at + 1..]),
        false => name,
    }
}

impl Variables {
    /// Lets the names of names that mean one variable mean another; whether there were any.
    pub fn point_elsewhere(&mut self, from: &[u8], to: &[u8]) -> bool {
        let mut any = false;
        for variable in self.names_of_names() {
            let Value::Scalar(text) = &variable.value else { continue };
            let bytes = text.bytes();
            let base = element_name(bytes).map_or(bytes, |(base, _)| base);
            let root = base.split(|&byte| byte == b'.').next().unwrap_or(base);
            if root != from {
                continue;
            }
            let meant = [to, &bytes[from.len()..]].concat();
            variable.value = Value::Scalar(text.with_bytes(&meant));
            any = true;
        }
        any
    }
}
