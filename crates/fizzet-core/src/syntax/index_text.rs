//! Where an index ends that is read anew as text, quotes and all. Observed in zsh 5.9.

use crate::dialect::Dialect;
use crate::source::SourceId;
use crate::syntax::cursor::Parser;

/// How many quotes and expressions inside each other are looked through.
const MAX_NESTED: u32 = 200;

/// What is wrong with an index that is another one when it is read anew.
pub(crate) const ENDS_ELSEWHERE: &str = "read once more without its quotes, the index ends elsewhere; a backslash \
                                         before each bracket and parenthesis hides them";

/// How the text of an index is read anew.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(crate) enum Anew {
    /// It is the index.
    Index,
    /// It is the index, but a bracket or parenthesis inside an expansion has no other: `[${x:-]}]`, `[$(label ")")]`.
    Unpaired,
    /// The index ends earlier: `["]"]`.
    EndsEarlier,
    /// The index does not end: `['(']`.
    Open,
}

/// How the text of an index is read by a shell that looks for its end anew: quotes hide no bracket there outside
/// `${...}`, and brackets and parentheses pair up.
pub(crate) fn read_anew(index: &[u8], dialect: &Dialect) -> Anew {
    if !dialect.indexes_are_read_anew || !index.iter().any(|byte| b"[]()`\\$".contains(byte)) {
        return Anew::Index;
    }
    let closed = [index, b"]"].concat();
    let parser = Parser::new(&closed, SourceId::MAIN, dialect);
    let mut reader = Reader { parser: &parser, at: 0, depth: 0, unpaired: false, brackets: 0 };
    match reader.up_to(b']') {
        None => Anew::Open,
        Some(()) if reader.at < closed.len() => Anew::EndsEarlier,
        Some(()) if reader.unpaired || reader.brackets != 0 => Anew::Unpaired,
        Some(()) => Anew::Index,
    }
}

/// Whether the text of an index is that index when it is read anew.
pub(crate) fn is_index_text(index: &[u8], dialect: &Dialect) -> bool {
    read_anew(index, dialect) == Anew::Index
}

/// A text that is read as one in double quotes is.
struct Reader<'a> {
    parser: &'a Parser<'a>,
    at: usize,
    /// How many quotes and expressions it is inside of.
    depth: u32,
    /// Whether the signs of a command substitution do not pair up.
    unpaired: bool,
    /// How many brackets are open outside double quotes, those of expansions too.
    brackets: i64,
}

impl Reader<'_> {
    fn next(&mut self) -> Option<u8> {
        let byte = *self.parser.text.get(self.at)?;
        self.at += 1;
        Some(byte)
    }

    /// Reads quotes or an expression inside what is read; `None` where they do not end, or are too deep.
    fn inside(&mut self, end: u8) -> Option<()> {
        self.depth += 1;
        let read = if self.depth > MAX_NESTED { None } else { self.up_to(end) };
        self.depth -= 1;
        read
    }

    /// Reads on behind the end that is looked for; `None` where something does not pair up before it.
    fn up_to(&mut self, end: u8) -> Option<()> {
        let counts = end == b']';
        let (mut braces, mut parentheses, mut brackets) = (0u32, 0i64, 0i64);
        let mut in_backquotes = false;
        loop {
            let byte = self.next()?;
            let is_open =
                braces > 0 || in_backquotes || (counts && (parentheses > 0 || brackets > 0));
            if byte == end && !is_open {
                return Some(());
            }
            self.brackets += match byte {
                b'[' if counts => 1,
                b']' if counts => -1,
                _ => 0,
            };
            let is_counted = !counts || braces == 0;
            match byte {
                b'\\' => self.behind_backslash(end, braces > 0)?,
                b'$' if !in_backquotes => match self.parser.text.get(self.at) {
                    Some(b'(') => {
                        let end = self.parser.parentheses_end(self.at)?;
                        self.unpaired |= !signs_pair(&self.parser.text[self.at..end]);
                        self.at = end;
                    }
                    Some(b'[') => {
                        self.at += 1;
                        self.inside(b']')?;
                    }
                    Some(b'{') => {
                        self.at += 1;
                        braces += 1;
                    }
                    _ => {}
                },
                b'}' if !in_backquotes => braces = braces.saturating_sub(1),
                b'`' => in_backquotes = !in_backquotes,
                b'"' if braces > 0 && !in_backquotes => self.inside(b'"')?,
                b'(' if is_counted => parentheses += 1,
                b')' if is_counted => parentheses -= 1,
                b'[' if is_counted => brackets += 1,
                b']' if is_counted => brackets -= 1,
                _ => {}
            }
            if counts && (parentheses < 0 || brackets < 0) {
                return None;
            }
        }
    }

    /// Reads what a backslash takes the meaning of.
    fn behind_backslash(&mut self, end: u8, in_braces: bool) -> Option<()> {
        let byte = *self.parser.text.get(self.at)?;
        let quotes = matches!(byte, b'$' | b'\\' | b'`' | b'\n')
            || byte == end
            || (byte == b'}' && in_braces)
            || (end == b']' && b"[](){}\"".contains(&byte));
        self.at += usize::from(quotes);
        Some(())
    }
}

/// Whether as many parentheses and brackets open as close in a text, quoted ones too.
fn signs_pair(text: &[u8]) -> bool {
    let count = |sign| text.iter().filter(|&&byte| byte == sign).count();
    count(b'(') == count(b')') && count(b'[') == count(b']')
}
