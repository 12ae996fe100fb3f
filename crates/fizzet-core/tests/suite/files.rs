//! What all the `label` of a file are given, in the shells that are named.

use fizzet_core::dialect::Shell;
use fizzet_core::source::SourceKind;

use crate::labels::labels_in;

/// Checks what a file tells: words with commas between them, commands with spaces.
pub(crate) fn check(shells: &[Shell], text: &str, expected: &str) {
    for &shell in shells {
        let file = SourceKind::File(b"script"[..].into());
        let all = labels_in(file, shell, text, &[]);
        let told = all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ");
        assert_eq!(told, expected, "{shell}: {text}");
    }
}
