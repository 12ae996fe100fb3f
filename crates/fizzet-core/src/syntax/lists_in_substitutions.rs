//! Lists of arrays inside `$(...)`, which bash reads twice: first to find where the substitution ends, when a
//! backslash in such a list quotes nothing, and again when the commands are carried out, when it does (observed in
//! bash 5.2: `echo $(a=(x\'y); echo "$a")` and `echo $(a=(x\;y))` are errors of grammar, `echo $(a=(x\ y))` is none).

use crate::syntax::cursor::{Parsed, Parser};

/// What the commands of a substitution stand in.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum SubstitutionIn {
    /// There is no substitution, or it is read the second time.
    Nothing,
    Words,
    /// Double quotes, in which a backslash quotes what it quotes there.
    Quotes,
}

impl Parser<'_> {
    /// Checks the list of an array that has just been read, whose parenthesis is at `open`, as the shell reads it when
    /// it looks for the end of the substitution around it.
    pub(super) fn check_list(&mut self, open: usize) -> Parsed<()> {
        let loses_backslashes = self.substitution_in != SubstitutionIn::Nothing
            && self.text[open..self.pos].contains(&b'\\')
            && self.dialect.lists_in_substitutions_lose_backslashes;
        if !loses_backslashes {
            return Ok(());
        }
        let (closed, end) = (self.pos, self.text.len());
        let mut at = open + 1;
        while at < end {
            match self.text[at] {
                b')' => break,
                b'\\' => at += usize::from(self.backslash_counts(at)),
                b'\'' | b'"' | b'`' => match self.quotes_end(at) {
                    Some(close) => at = close,
                    None => return Err(self.unclosed(at, 1, "quote", "the same quote")),
                },
                b'$' | b'<' | b'>' if self.text.get(at + 1) == Some(&b'(') => {
                    at = self.parentheses_end(at + 1).unwrap_or(end) - 1;
                }
                b'$' if self.text.get(at + 1) == Some(&b'{') => {
                    at = self.braces_end(at + 1, 0).unwrap_or(end);
                }
                b'#' if self.text[at - 1].is_ascii_whitespace() => {
                    at += self.text[at..].iter().position(|&byte| byte == b'\n').unwrap_or(0);
                }
                b'(' if b"?*+@!=".contains(&self.text[at - 1]) => {
                    at = self.parentheses_end(at).unwrap_or(end) - 1;
                }
                b';' | b'&' | b'|' | b'<' | b'>' | b'(' => {
                    self.pos = at;
                    return self.unexpected("an array element or )");
                }
                _ => {}
            }
            at += 1;
        }
        match at + 1 == closed {
            true => Ok(()),
            false => Err(self.unclosed(open, 1, "(", ")")),
        }
    }

    /// Whether a backslash quotes what stands behind it in such a list.
    fn backslash_counts(&self, at: usize) -> bool {
        match self.text.get(at + 1) {
            Some(b'\n') => true,
            Some(b'$' | b'`' | b'"' | b'\\') => self.substitution_in == SubstitutionIn::Quotes,
            _ => false,
        }
    }
}
