//! The files of arguments that the launcher of Java reads: `@FILE` (observed in OpenJDK 17; the manual
//! of `java`, "Using @argfiles").

/// The arguments in the text of such a file: blanks part them, quotes of both kinds keep them together,
/// a backslash inside quotes escapes, `#` begins a comment.
pub fn words(text: &[u8]) -> Vec<Vec<u8>> {
    let mut words = Vec::new();
    let mut word: Option<Vec<u8>> = None;
    let mut quote = None;
    let mut rest = text;
    while let Some((&byte, behind)) = rest.split_first() {
        rest = behind;
        match (quote, byte) {
            (Some(open), _) if open == byte => quote = None,
            (Some(_), b'\\') => rest = escaped(behind, word.get_or_insert_default()),
            // A quote that is not closed ends with its line.
            (Some(_), b'\n' | b'\r') => {
                quote = None;
                words.extend(word.take());
            }
            (Some(_), _) => word.get_or_insert_default().push(byte),
            (None, b'"' | b'\'') => {
                word.get_or_insert_default();
                quote = Some(byte);
            }
            (None, b'#') if word.is_none() => {
                let line = rest.iter().position(|byte| matches!(byte, b'\n' | b'\r'));
                rest = &rest[line.unwrap_or(rest.len())..];
            }
            (None, b' ' | b'\t' | b'\n' | b'\r' | b'\x0c') => words.extend(word.take()),
            (None, _) => word.get_or_insert_default().push(byte),
        }
    }
    words.extend(word);
    words
}

/// What stands behind a backslash inside quotes; at the end of a line it joins the next one.
fn escaped<'t>(rest: &'t [u8], word: &mut Vec<u8>) -> &'t [u8] {
    let Some((&byte, behind)) = rest.split_first() else { return rest };
    match byte {
        b'n' => word.push(b'\n'),
        b'r' => word.push(b'\r'),
        b't' => word.push(b'\t'),
        b'f' => word.push(b'\x0c'),
        b'\n' | b'\r' => {
            let text = behind.iter().position(|byte| !byte.is_ascii_whitespace());
            return &behind[text.unwrap_or(behind.len())..];
        }
        other => word.push(other),
    }
    behind
}

#[cfg(test)]
mod tests {
    use super::words;

    #[test]
    fn quotes_escapes_and_comments_are_read() {
        let text = b"-cp . Press # the class\n\"lime honey\" 'a\\tb' \"\" c\\d\n'e\\\n   f'";
        let expected: [&[u8]; 8] =
            [b"-cp", b".", b"Press", b"lime honey", b"a\tb", b"", b"c\\d", b"ef"];
        assert_eq!(words(text), expected);
    }
}
