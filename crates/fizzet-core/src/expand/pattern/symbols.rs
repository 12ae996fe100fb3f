//! The names of characters between `[.` and `.]` (POSIX XBD 6.1), as bash knows them: observed in bash 5.2
//! with every name of the portable character set.

/// The names of the characters that are not their own names, sorted.
const NAMES: &[(&str, u8)] = &[
    ("ACK", 6),
    ("BS", 8),
    ("CAN", 24),
    ("CR", 13),
    ("DC1", 17),
    ("DC2", 18),
    ("DC3", 19),
    ("DC4", 20),
    ("DEL", 127),
    ("DLE", 16),
    ("EM", 25),
    ("ENQ", 5),
    ("EOT", 4),
    ("ESC", 27),
    ("ETB", 23),
    ("ETX", 3),
    ("FF", 12),
    ("FS", 28),
    ("GS", 29),
    ("HT", 9),
    ("IS1", 31),
    ("IS2", 30),
    ("IS3", 29),
    ("IS4", 28),
    ("LF", 10),
    ("NAK", 21),
    ("RS", 30),
    ("SI", 15),
    ("SO", 14),
    ("SOH", 1),
    ("STX", 2),
    ("SUB", 26),
    ("SYN", 22),
    ("US", 31),
    ("VT", 11),
    ("alert", 7),
    ("ampersand", 38),
    ("apostrophe", 39),
    ("asterisk", 42),
    ("backslash", 92),
    ("backspace", 8),
    ("carriage-return", 13),
    ("circumflex", 94),
    ("circumflex-accent", 94),
    ("colon", 58),
    ("comma", 44),
    ("commercial-at", 64),
    ("dash", 45),
    ("dollar-sign", 36),
    ("eight", 56),
    ("equals-sign", 61),
    ("exclamation-mark", 33),
    ("five", 53),
    ("form-feed", 12),
    ("four", 52),
    ("full-stop", 46),
    ("grave-accent", 96),
    ("greater-than-sign", 62),
    ("hyphen", 45),
    ("hyphen-minus", 45),
    ("left-brace", 123),
    ("left-curly-bracket", 123),
    ("left-parenthesis", 40),
    ("left-square-bracket", 91),
    ("less-than-sign", 60),
    ("minus", 45),
    ("newline", 10),
    ("nine", 57),
    ("number-sign", 35),
    ("one", 49),
    ("percent-sign", 37),
    ("period", 46),
    ("plus-sign", 43),
    ("question-mark", 63),
    ("quotation-mark", 34),
    ("reverse-solidus", 92),
    ("right-brace", 125),
    ("right-curly-bracket", 125),
    ("right-parenthesis", 41),
    ("right-square-bracket", 93),
    ("semicolon", 59),
    ("seven", 55),
    ("six", 54),
    ("slash", 47),
    ("solidus", 47),
    ("space", 32),
    ("tab", 9),
    ("three", 51),
    ("tilde", 126),
    ("two", 50),
    ("underscore", 95),
    ("vertical-line", 124),
    ("vertical-tab", 11),
    ("zero", 48),
];

/// The character that a name stands for.
pub(super) fn symbol(name: &[u8]) -> Option<u32> {
    let at = NAMES.binary_search_by(|(known, _)| known.as_bytes().cmp(name)).ok()?;
    Some(u32::from(NAMES[at].1))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_are_sorted() {
        assert!(NAMES.is_sorted());
        assert_eq!(symbol(b"hyphen"), Some(45));
        assert_eq!(symbol(b"honey"), None);
    }
}
