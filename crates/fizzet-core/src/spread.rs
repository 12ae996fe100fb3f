//! The spellings of all parameters side by side: what each makes of the same parameters.

use std::rc::Rc;

use crate::host::Nowhere;
use crate::state::State;
use crate::text::Text;
use crate::trace::{CommandKind, Ending};
use crate::walk;

/// A way to write all parameters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Form {
    /// As it is written.
    pub name: &'static str,
    /// A text that hands to `label` what it makes.
    pub text: &'static str,
}

/// The forms, in the order in which they are told.
pub const FORMS: [Form; 8] = [
    Form { name: "$@", text: "label $@" },
    Form { name: "$*", text: "label $*" },
    Form { name: "\"$@\"", text: "label \"$@\"" },
    Form { name: "\"$*\"", text: "label \"$*\"" },
    Form { name: "\"pre$@post\"", text: "label \"pre$@post\"" },
    Form { name: "\"${@:2}\"", text: "label \"${@:2}\"" },
    Form { name: "for x", text: "for x do label \"$x\"; done" },
    Form { name: "x=$@", text: "x=$@; label \"$x\"" },
];

/// A value of IFS.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Separators {
    /// What it is called.
    pub name: &'static str,
    /// The value; `None` where IFS is unset.
    pub value: Option<&'static [u8]>,
}

/// The values of IFS that are tried.
pub const SEPARATORS: [Separators; 5] = [
    Separators { name: "default", value: Some(b" \t\n") },
    Separators { name: "empty", value: Some(b"") },
    Separators { name: "unset", value: None },
    Separators { name: "comma", value: Some(b",") },
    Separators { name: "colon", value: Some(b":") },
];

/// The arguments that a form makes; `None` where the shell cannot read it or gives up.
///
/// `start` is a shell with the parameters and the IFS in question, whose main text is that of the form.
///
/// ```
/// use fizzet_core::{dialect::{Dialect, Shell}, source::SourceKind, spread, state::State};
/// let form = spread::FORMS[0];
/// let mut state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, form.text.as_bytes());
/// let jar = state.given(SourceKind::Argument(1), b"lime honey");
/// state.positional.set(vec![jar]);
/// assert_eq!(spread::arguments(state).unwrap().len(), 2);
/// ```
pub fn arguments(start: State) -> Option<Vec<Text>> {
    let trace = walk::line(start, Rc::new(Nowhere));
    if !matches!(trace.ending, Ending::Complete) {
        return None;
    }
    let programs = trace.commands.iter().filter(|one| one.kind == CommandKind::External);
    Some(programs.flat_map(|one| one.argv[1..].iter().cloned()).collect())
}
