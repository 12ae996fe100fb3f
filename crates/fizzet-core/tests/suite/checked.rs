//! What all the `label` of a line are given, in each shell.

use fizzet_core::dialect::Shell;

use crate::labels::labels;

/// What the commands of a line without parameters are given, in one text.
pub(crate) fn told(shell: Shell, line: &str) -> String {
    let all: Vec<String> = labels(shell, line, &[]).iter().map(|one| one.join(",")).collect();
    all.join(" ")
}

/// Checks what all the `label` of a line are given, in the shells that are named and in all others.
pub(crate) fn check(line: &str, named: &[(&[Shell], &str)], others: &str) {
    for shell in Shell::ALL {
        let found = named.iter().find(|(shells, _)| shells.contains(&shell));
        let expected = found.map_or(others, |(_, expected)| expected);
        assert_eq!(told(shell, line), expected, "{shell}: {line}");
    }
}
