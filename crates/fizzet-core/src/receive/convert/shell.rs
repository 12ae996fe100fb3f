//! Texts as numbers in shells: `$((...))` and the comparisons of `test`, by the evaluator itself.

use std::rc::Rc;

use crate::dialect::{Dialect, Shell};
use crate::host::Host;
use crate::receive::convert::{Outcome, Value};
use crate::source::SourceKind;
use crate::state::State;
use crate::walk;

/// A conversion of a shell.
#[derive(Clone, Copy, Debug)]
pub struct ShellConversion {
    /// The name in records and in JSON.
    pub name: &'static str,
    /// How it is written.
    pub form: &'static str,
    line: &'static [u8],
}

/// Both of them.
pub const SHELL_CONVERSIONS: [ShellConversion; 2] = [
    ShellConversion { name: "arithmetic", form: "$(($1))", line: b"label \"$(($1))\"" },
    ShellConversion {
        name: "-gt",
        form: "[ \"$1\" -gt 0 ]",
        line: b"[ \"$1\" -gt 0 ]; label \"$?\"",
    },
];

impl ShellConversion {
    /// What a shell makes of a text.
    pub fn of(&self, text: &[u8], shell: Shell, host: Rc<dyn Host>) -> Outcome {
        const ERROR: &str = "error";
        let mut state = State::new(Dialect::of(shell), SourceKind::Line, self.line);
        let given = state.given(SourceKind::Argument(1), text);
        state.positional.set(vec![given]);
        let trace = walk::line(state, host);
        let label = trace
            .commands
            .iter()
            .find(|one| one.argv.first().is_some_and(|name| name.bytes() == b"label"));
        let Some(told) = label.and_then(|one| one.argv.get(1)).filter(|told| !told.has_hole())
        else {
            return Outcome::error(ERROR);
        };
        match (self.name, told.bytes()) {
            ("-gt", b"0") => Outcome::of(Value::Truth(true)),
            ("-gt", b"1") => Outcome::of(Value::Truth(false)),
            ("-gt", _) => Outcome::error(ERROR),
            (_, digits) => Outcome::of(Value::Digits(String::from_utf8_lossy(digits).into_owned())),
        }
    }
}
