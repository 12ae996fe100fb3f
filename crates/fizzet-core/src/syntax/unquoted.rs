//! Bytes of a text that no quotes and no backslash hide, where only these count.

/// The bytes outside of quotes, each with its place; the quotes themselves and what a backslash stands before are none.
///
/// Backquotes hide what is between them as double quotes do.
pub(super) fn unquoted(text: &[u8]) -> impl Iterator<Item = (usize, u8)> + '_ {
    let mut quote = None;
    let mut bytes = text.iter().copied().enumerate();
    std::iter::from_fn(move || {
        loop {
            let (at, byte) = bytes.next()?;
            match (quote, byte) {
                (Some(open), close) if open == close => quote = None,
                (None | Some(b'"' | b'`'), b'\\') => drop(bytes.next()),
                (Some(_), _) => {}
                (None, b'\'' | b'"' | b'`') => quote = Some(byte),
                (None, _) => return Some((at, byte)),
            }
        }
    })
}

#[cfg(test)]
mod tests {
    use super::unquoted;

    #[test]
    fn quotes_and_backslashes_hide_bytes() {
        let left = |text: &[u8]| unquoted(text).map(|(_, byte)| byte).collect::<Vec<_>>();
        assert_eq!(left(b"a'b;\\'c"), b"ac");
        assert_eq!(left(b"a\"b\\\"'c\"d\\;e"), b"ade");
        assert_eq!(left(b"`;\"`;'"), b";");
        assert_eq!(unquoted(b"''a").next(), Some((2, b'a')));
    }
}
