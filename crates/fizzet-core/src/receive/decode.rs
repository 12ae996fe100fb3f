//! Bytes as the strings of a language.

/// What a runtime makes of the bytes of an argument.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Decode {
    /// They stay as they are.
    Bytes,
    /// They stay, though `std::env::args` panics where they are not valid UTF-8.
    BytesOrPanic,
    /// What is not valid UTF-8 becomes a lone surrogate a byte, which is turned back on the way out
    /// (PEP 383).
    Escapes,
    /// What is not valid UTF-8 becomes U+FFFD, one for each sequence that was begun (WHATWG Encoding).
    Replaces,
    /// The same, but a surrogate is one sequence (observed in OpenJDK 17 under C.UTF-8).
    ReplacesSurrogatesOnce,
    /// A byte that is not valid UTF-8 becomes the character of that number (observed in Tcl 8.6).
    Latin,
}

impl Decode {
    /// The text as UTF-8, where it is another than the bytes.
    pub fn changed(self, bytes: &[u8]) -> Option<Vec<u8>> {
        if std::str::from_utf8(bytes).is_ok() {
            return None;
        }
        match self {
            Decode::Bytes | Decode::BytesOrPanic | Decode::Escapes => None,
            Decode::Replaces => Some(String::from_utf8_lossy(bytes).into_owned().into_bytes()),
            Decode::ReplacesSurrogatesOnce => Some(replaced(bytes)),
            Decode::Latin => Some(latin(bytes)),
        }
    }
}

/// The length of a surrogate that is encoded, or begun, at the start of some bytes.
fn surrogate(bytes: &[u8]) -> Option<usize> {
    match bytes {
        [0xed, 0xa0..=0xbf, 0x80..=0xbf, ..] => Some(3),
        [0xed, 0xa0..=0xbf] => Some(2),
        _ => None,
    }
}

fn replaced(bytes: &[u8]) -> Vec<u8> {
    let mut out = Vec::with_capacity(bytes.len());
    let (mut from, mut at) = (0, 0);
    while at < bytes.len() {
        let Some(length) = surrogate(&bytes[at..]) else {
            at += 1;
            continue;
        };
        out.extend_from_slice(String::from_utf8_lossy(&bytes[from..at]).as_bytes());
        out.extend_from_slice("\u{fffd}".as_bytes());
        at += length;
        from = at;
    }
    out.extend_from_slice(String::from_utf8_lossy(&bytes[from..]).as_bytes());
    out
}

fn latin(bytes: &[u8]) -> Vec<u8> {
    let mut out = Vec::with_capacity(bytes.len());
    let mut rest = bytes;
    while let Some(&first) = rest.first() {
        let whole = match rest {
            [0xc2..=0xdf, 0x80..=0xbf, ..] => 2,
            // Tcl encodes surrogates like other characters.
            [0xe0, 0xa0..=0xbf, 0x80..=0xbf, ..] | [0xe1..=0xef, 0x80..=0xbf, 0x80..=0xbf, ..] => 3,
            [0xf0, 0x90..=0xbf, 0x80..=0xbf, 0x80..=0xbf, ..]
            | [0xf1..=0xf3, 0x80..=0xbf, 0x80..=0xbf, 0x80..=0xbf, ..]
            | [0xf4, 0x80..=0x8f, 0x80..=0xbf, 0x80..=0xbf, ..] => 4,
            _ => 1,
        };
        match whole {
            1 => out.extend_from_slice(char::from(first).to_string().as_bytes()),
            _ => out.extend_from_slice(&rest[..whole]),
        }
        rest = &rest[whole..];
    }
    out
}

#[cfg(test)]
mod tests {
    use super::Decode;

    #[test]
    fn what_is_not_valid_becomes_what_each_runtime_makes_of_it() {
        let bytes = b"a\xff \xed\xa0\x80 \xf0\x9f\x8d";
        let text =
            |decode: Decode| String::from_utf8_lossy(&decode.changed(bytes).unwrap()).into_owned();
        assert_eq!(text(Decode::Replaces), "a\u{fffd} \u{fffd}\u{fffd}\u{fffd} \u{fffd}");
        assert_eq!(text(Decode::ReplacesSurrogatesOnce), "a\u{fffd} \u{fffd} \u{fffd}");
        assert!(Decode::Latin.changed(bytes).unwrap().starts_with("aÿ ".as_bytes()));
        assert_eq!(Decode::Bytes.changed(bytes), None);
        assert_eq!(Decode::Replaces.changed("Bärlauch".as_bytes()), None);
    }
}
