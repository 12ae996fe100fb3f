//! The files of arguments that the launcher of Java reads: `@FILE` (observed in OpenJDK 17; the manual
//! of `java`, "Using @argfiles").

use crate::host::Named;
use crate::lineage::{Origin, Rule};
use crate::receive::runtime::Takes;
use crate::receive::start::{Reader, Refusal};
use crate::source::{SourceKind, Sources, Span};
use crate::text::{Standing, Text};

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

impl Reader {
    /// Files of arguments take the place of the words that name them, up to the class (observed in
    /// OpenJDK 17).
    pub(super) fn read_argument_files(
        &mut self,
        named: &dyn Named,
        sources: &mut Sources,
    ) -> Result<(), Refusal> {
        let mut at = 1;
        let mut wants_value = false;
        while at < self.argv.len() {
            let word = self.argv[at].bytes().to_vec();
            if word == b"--disable-@files" {
                return Ok(());
            }
            if let [b'@', name @ ..] = &word[..]
                && !name.is_empty()
            {
                if name[0] == b'@' {
                    self.argv[at] = self.argv[at].slice(1, word.len());
                } else {
                    let Some(text) = named.arguments(name) else {
                        let name = String::from_utf8_lossy(name).into_owned();
                        return Err(self.refused(format!("there is no file of arguments {name}")));
                    };
                    let source = sources.of_path(SourceKind::File, name, &text);
                    let origin = Origin::new(Rule::Given, Span::new(source, 0, text.len()));
                    let read = words(&text);
                    let texts = read
                        .iter()
                        .map(|word| Text::copied(word, Standing::Quoted, origin.clone()));
                    self.argv.splice(at..=at, texts.collect::<Vec<_>>());
                    // What such a file holds is not read as another one.
                    let behind = at + read.len();
                    if (at..behind).any(|at| self.is_class(at, &mut wants_value)) {
                        return Ok(());
                    }
                    at = behind;
                    continue;
                }
            }
            if self.is_class(at, &mut wants_value) {
                return Ok(());
            }
            at += 1;
        }
        Ok(())
    }

    /// Whether the word at a place is the class: neither an option nor the value of one.
    fn is_class(&self, at: usize, wants_value: &mut bool) -> bool {
        let word = self.argv[at].bytes();
        if std::mem::take(wants_value) {
            return false;
        }
        if !word.starts_with(b"-") {
            return true;
        }
        let flag = self.grammar.flags.iter().find(|flag| flag.name.as_bytes() == word);
        *wants_value = flag.is_some_and(|flag| flag.takes != Takes::Nothing);
        false
    }
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
