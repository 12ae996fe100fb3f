//! An IFS that changes within a word: `$x${IFS=:}$x`, `$x$((IFS=1))`.

use std::rc::Rc;

use crate::dialect::SplitBy;
use crate::expand::parts::is_expansion;
use crate::expand::substitute::Piece;
use crate::expand::{Ifs, ifs};
use crate::state::State;
use crate::syntax::ast::{Instead, Operation, ParameterName, Part, Word};

/// The IFS of each stretch of a word, in the shells that split an expansion as soon as it is made.
pub(super) struct Splitters {
    /// The one at the start of the word; `None` where the last one counts for all.
    first: Option<Rc<Ifs>>,
    /// Whether the first one keeps what it has: an empty IFS at the start keeps the word whole, and it joins lists.
    binds: bool,
    /// From which piece and byte on another one counts.
    changes: Vec<(usize, usize, Rc<Ifs>)>,
    /// Whether a list is joined where it stands, as the IFS from the end of the word splits it.
    joins_lists: bool,
}

impl Splitters {
    pub(super) fn new(state: &State, word: &Word) -> Splitters {
        let split_by = state.dialect.split_by;
        let first = (split_by != SplitBy::Last).then(|| ifs(state));
        let joins_lists = state.dialect.lists_wait_for_ifs && word.parts.iter().any(assigns_ifs);
        let binds = split_by == SplitBy::EachIfFirst;
        Splitters { first, binds, changes: Vec::new(), joins_lists }
    }

    /// What joins an unquoted list that the IFS from the end of the word splits.
    pub(super) fn joiner_of_lists(&self, state: &State) -> Option<Rc<Ifs>> {
        self.joins_lists.then(|| ifs(state)).filter(|ifs| !ifs.is_empty())
    }

    /// Looks whether the part that began at this piece and byte has changed IFS.
    pub(super) fn look(&mut self, state: &State, part: &Part, (piece, at): (usize, usize)) {
        let Some(first) = &self.first else { return };
        if changes_nothing(part) {
            return;
        }
        let now = ifs(state);
        let latest = self.changes.last().map_or(first, |(_, _, latest)| latest);
        if !now.is_like(latest) {
            self.changes.push((piece, at, now));
        }
    }

    /// What joins the lists of the word where the first IFS does, if another one stands now.
    pub(super) fn joining(&self) -> Option<Rc<Ifs>> {
        self.first.clone().filter(|_| self.binds && !self.changes.is_empty())
    }

    /// Tells the pieces of the word which IFS splits them.
    pub(super) fn tell(self, pieces: &mut [Piece]) {
        let Some(first) = self.first.filter(|_| !self.changes.is_empty()) else { return };
        let whole = self.binds && first.is_empty();
        if let Some(piece) = pieces.first_mut() {
            piece.splitters.push((0, first));
        }
        for (piece, at, ifs) in self.changes.into_iter().filter(|_| !whole) {
            if let Some(piece) = pieces.get_mut(piece) {
                piece.splitters.push((at, ifs));
            }
        }
    }
}

/// Whether a part gives IFS a value: `${IFS=:}`.
fn assigns_ifs(part: &Part) -> bool {
    match part {
        Part::Double { parts, .. } => parts.iter().any(assigns_ifs),
        Part::Parameter(parameter) => match &parameter.operation {
            Operation::Instead { what: Instead::Assign, .. } => {
                matches!(&parameter.name, ParameterName::Variable(name) if &**name == b"IFS")
            }
            Operation::Instead { word, .. } => word.parts.iter().any(assigns_ifs),
            _ => false,
        },
        _ => false,
    }
}

/// Whether a part is a text or `$x`.
fn changes_nothing(part: &Part) -> bool {
    match part {
        Part::Parameter(parameter) => {
            matches!(parameter.operation, Operation::Value) && parameter.index.is_none()
        }
        part => !is_expansion(part),
    }
}
