//! What the commands of a line that are called `label` are given.

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::walk;

/// The arguments of each command of a line that is called `label`.
pub(crate) fn labels(shell: Shell, line: &str, parameters: &[&str]) -> Vec<Vec<String>> {
    labels_in(SourceKind::Line, shell, line, parameters)
}

/// The same of a text of any kind.
pub(crate) fn labels_in(
    kind: SourceKind,
    shell: Shell,
    text: &str,
    parameters: &[&str],
) -> Vec<Vec<String>> {
    let mut state = State::new(Dialect::of(shell), kind, text.as_bytes());
    state.give_arguments(&parameters.iter().map(|one| one.as_bytes().to_vec()).collect());
    let trace = walk::line(state, Rc::new(Nowhere));
    let text = |bytes: &[u8]| String::from_utf8_lossy(bytes).into_owned();
    let named = trace
        .commands
        .iter()
        .filter(|one| one.argv.first().is_some_and(|name| name.bytes() == b"label"));
    named.map(|one| one.argv[1..].iter().map(|word| text(word.bytes())).collect()).collect()
}
