//! The tables of rules that the lines of one text are read by: an option may change them on the way.

use std::cell::OnceCell;
use std::rc::Rc;

use crate::dialect::Dialect;

/// Tables that differ from each other, each of which stays where it is while others are added.
pub(super) struct Tables {
    here: Rc<Dialect>,
    next: OnceCell<Box<Tables>>,
}

impl Tables {
    pub(super) fn new(first: Rc<Dialect>) -> Tables {
        Tables { here: first, next: OnceCell::new() }
    }

    /// The table that is equal to this one.
    pub(super) fn like(&self, wanted: &Rc<Dialect>) -> &Dialect {
        let mut at = self;
        while !Rc::ptr_eq(&at.here, wanted) && at.here != *wanted {
            at = at.next.get_or_init(|| Box::new(Tables::new(wanted.clone())));
        }
        &at.here
    }
}
