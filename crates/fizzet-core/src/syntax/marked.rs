//! What a value brought into the index of an element, in the text of an arithmetic expression.
//!
//! Bash and ksh93 find the end of `a[$k]` before they look at what `$k` is, though the expression is read
//! when its expansions are done (observed in bash 5.2 and ksh93u+m: `k=']'; (( a[$k]=1 ))`); and bash, which
//! expands indexes once more, leaves those alone (`k='$i'; (( a[$k] ))`). No text of a shell holds a NUL, so
//! one stands before each bracket, dollar sign and backquote of this kind until the index is taken.

use std::borrow::Cow;

use crate::dialect::KeyQuoting;
use crate::lineage::Rule;
use crate::text::{Run, Text};

/// Stands before a bracket that neither opens nor closes an index, a sign that begins no expansion, or a quote that
/// quotes nothing.
pub(super) const MARK: u8 = 0;

/// How the indexes of an expression are marked.
#[derive(Clone, Copy)]
pub(crate) struct Marking<Q> {
    /// Which quoting in the keys of an array of this name is gone.
    pub(crate) quoting: Q,
    /// Whether all signs that an expansion begins with, brackets and quotes inside an index get a mark, and the quotes that
    /// are written there vanish: bash does so where something is expanded in the expression.
    pub(crate) is_thorough: bool,
    /// Whether the text is a word of `[[`, in which single quotes quote brackets.
    pub(crate) is_word: bool,
}

impl<Q: Fn(&[u8]) -> KeyQuoting> Marking<Q> {
    /// The text with marks before the brackets and signs of values inside of written brackets, and without the quoting
    /// in keys.
    pub(crate) fn of(self, text: &Text) -> Cow<'_, [u8]> {
        let marks = |(run, bytes): (&Run, &[u8])| {
            let written = run.origin.is_written();
            bytes.iter().any(|byte| is_marked(byte) && !(written && matches!(byte, b'[' | b']')))
        };
        let has_keys =
            text.bytes().contains(&b'[') && (self.is_thorough || text.bytes().iter().any(quotes));
        if !has_keys && !text.runs().any(marks) {
            return text.bytes().into();
        }
        let mut marked = Marked {
            marking: self,
            out: Vec::with_capacity(text.len() + 8),
            open: 0,
            key: KeyQuoting::Stays,
            opens_bare: false,
            quote: None,
            escaped: false,
        };
        text.runs().for_each(|(run, bytes)| marked.run(run, bytes));
        marked.out.into()
    }
}

/// A text that is being marked.
struct Marked<Q> {
    marking: Marking<Q>,
    out: Vec<u8>,
    /// How many brackets are open.
    open: i32,
    /// Which quoting is gone in the key that is open.
    key: KeyQuoting,
    /// Whether the first of them stands outside of double quotes.
    opens_bare: bool,
    /// The quote that is open in it.
    quote: Option<u8>,
    /// Whether a backslash that is gone stands before the next byte.
    escaped: bool,
}

impl<Q: Fn(&[u8]) -> KeyQuoting> Marked<Q> {
    fn run(&mut self, run: &Run, bytes: &[u8]) {
        // What stands between single quotes has a longer span than its text.
        let span = run.origin.span();
        let in_quotes = (span.end - span.start) as usize > bytes.len();
        let is_written = run.origin.is_written() && !(self.marking.is_word && in_quotes);
        let is_bare = is_written && run.origin.rule() == Rule::Literal;
        for &byte in bytes {
            self.byte(byte, is_written, is_bare);
        }
    }

    fn byte(&mut self, byte: u8, is_written: bool, is_bare: bool) {
        let escapes = std::mem::take(&mut self.escaped);
        let inside = self.open > 0;
        if inside && is_bare && !escapes && self.drops(byte) {
            self.escaped = byte == b'\\';
            if is_quote(&byte) {
                self.quote = if self.quote.is_some() { None } else { Some(byte) };
            }
            return;
        }
        if !inside && is_written && byte == b'[' {
            let name = self.out.iter().rev().take_while(|&&byte| is_name_byte(byte)).count();
            self.key = (self.marking.quoting)(&self.out[self.out.len() - name..]);
            self.opens_bare = is_bare;
        }
        let in_quotes = self.quote.is_some() || (inside && self.opens_bare && !is_bare);
        let hides_quotes = self.key != KeyQuoting::Stays;
        match byte {
            b'[' | b']' if escapes || in_quotes => self.out.push(MARK),
            b'"' | b'\'' if inside && !is_written && hides_quotes => self.out.push(MARK),
            // One that is written and still there was escaped.
            b'$' | b'`' if inside => self.out.push(MARK),
            b'[' | b']' if !is_written && inside => self.out.push(MARK),
            b'"' | b'\'' | b'\\' | b'~' if inside && self.marking.is_thorough => {
                self.out.push(MARK);
            }
            b'[' if is_written => {
                if inside && self.marking.is_thorough {
                    self.out.push(MARK);
                }
                self.open += 1;
            }
            b']' if is_written => {
                self.open -= 1;
                if self.open > 0 && self.marking.is_thorough {
                    self.out.push(MARK);
                }
            }
            _ => {}
        }
        self.out.push(byte);
    }

    /// Whether a byte that is written in an index outside of quotes is quoting, and gone.
    fn drops(&self, byte: u8) -> bool {
        match (self.quote, self.key) {
            (Some(quote), _) => byte == quote,
            (_, KeyQuoting::All) => quotes(&byte),
            _ if self.marking.is_thorough => quotes(&byte),
            (_, KeyQuoting::Backslashes) => byte == b'\\',
            (_, KeyQuoting::Stays) => false,
        }
    }
}

fn is_marked(byte: &u8) -> bool {
    matches!(byte, b'[' | b']' | b'$' | b'`')
}

fn is_quote(byte: &u8) -> bool {
    matches!(byte, b'"' | b'\'')
}

fn quotes(byte: &u8) -> bool {
    is_quote(byte) || *byte == b'\\'
}

fn is_name_byte(byte: u8) -> bool {
    byte == b'_' || byte == b'.' || byte.is_ascii_alphanumeric()
}

/// The text of an index without marks.
pub(crate) fn unmarked(index: &[u8]) -> Cow<'_, [u8]> {
    match index.contains(&MARK) {
        true => index.iter().copied().filter(|&byte| byte != MARK).collect(),
        false => index.into(),
    }
}

/// Whether a mark stands in the text of an index.
pub(crate) fn has_marks(index: &[u8]) -> bool {
    index.contains(&MARK)
}

/// Whether something in an index is expanded when it is taken.
pub(crate) fn has_expansions(index: &[u8]) -> bool {
    let is_sign = |byte: &u8| matches!(byte, b'$' | b'`');
    let is_open = |at: usize| at == 0 || index[at - 1] != MARK;
    index.iter().enumerate().any(|(at, byte)| is_sign(byte) && is_open(at))
}
