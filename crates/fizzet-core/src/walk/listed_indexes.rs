//! The index of an element of a list, where the shell looks for it once the quotes are gone.
//!
//! Bash expands `[index]` of an indexed array like any word, and then reads it again: so a bracket or a quote
//! that was quoted can end the index or hide its end, and what looks like an expansion is one
//! (observed in bash 5.2: `a=(["b'b"]=x)`, `k='1]=q'; a=([$k]=x)`, `a=(['$k']=x)`).

use crate::dialect::IndexQuotes;
use crate::expand::{self, arithmetic};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::Key;
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::{Arithmetic, Element, Word};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::list_elements::MadeIndex;

impl Walker {
    /// Whether something in an index could make a difference when it is read again.
    pub(super) fn is_read_again(&self, index: &Arithmetic) -> bool {
        let matters = |byte: &u8| b"'\"\\$`".contains(byte);
        self.state.dialect.index_quotes == IndexQuotes::VanishInLists
            && self.state.sources.bytes(index.word.span).iter().any(matters)
    }

    /// An element with an index as one word.
    pub(super) fn with_index(&self, index: &Arithmetic, element: &Element) -> Result<Word, Stop> {
        let place = index.word.span;
        let span = Span { start: place.start - 1, end: element.word.span.end, ..place };
        let written = self.state.sources.bytes(span);
        Ok(Parser::new(written, span.source, &self.state.dialect).whole_word(span)?)
    }

    /// The key and the value of an element of an indexed array that is read again; without a key it is a word
    /// like any other.
    pub(super) fn read_again<'a>(
        &mut self,
        element: &Element,
        index: &'a Arithmetic,
    ) -> Result<(MadeIndex<'a>, Text), Stop> {
        let span = index.word.span;
        let text = expand::parameter::listed_index(self, index).map_err(Stop::of_words)?;
        let origin = Origin::new(Rule::Literal, span);
        let mut whole = text.clone();
        whole.push(b"]", Standing::Quoted, &origin);
        let sign: &[u8] = if element.append { b"+=" } else { b"=" };
        let end = end_of_index(whole.bytes());
        if end == Some(text.len()) {
            let made = self.listed_index(text, index)?;
            return Ok((made, self.indexed_text(element, false)?));
        }
        whole.push(sign, Standing::Quoted, &origin);
        whole.push_text(&self.indexed_text(element, false)?);
        let Some(end) = end.filter(|&end| whole.bytes().get(end + 1) == Some(&b'=')) else {
            let mut word = Text::copied(b"[", Standing::Quoted, origin);
            word.push_text(&whole);
            return Ok((MadeIndex::Next, word));
        };
        let made = self.listed_index(whole.slice(0, end), index)?;
        Ok((made, whole.slice(end + 2, whole.len())))
    }

    /// What the text of an index means: now, or when the array is there.
    fn listed_index<'a>(
        &mut self,
        text: Text,
        index: &'a Arithmetic,
    ) -> Result<MadeIndex<'a>, Stop> {
        match self.state.dialect.lists_are_emptied_first {
            true => Ok(MadeIndex::Expanded(text, index)),
            false => self.listed_number(&text, index).map(MadeIndex::At),
        }
    }

    /// The number that an index is, whose text is expanded once more.
    pub(super) fn listed_number(&mut self, text: &Text, index: &Arithmetic) -> Result<Key, Stop> {
        let span = index.word.span;
        if text.is_empty() || matches!(text.bytes(), b"@" | b"*") {
            return Err(self.state.mistake("one index was expected", span, 1));
        }
        let number = match text.bytes().iter().any(|byte| b"$`'\"\\".contains(byte)) {
            true => {
                let again = expand::parameter::index_text(self, text.bytes(), false)?;
                arithmetic::index_value(self, again.bytes(), span)
            }
            false => arithmetic::index_value(self, text.bytes(), span),
        };
        Ok(Key::Number(self.state.index(number.map_err(Stop::in_index)?)))
    }
}

/// Where the bracket is that ends an index; quotes and expansions hide brackets.
fn end_of_index(text: &[u8]) -> Option<usize> {
    let (mut at, mut open) = (0, 1u32);
    while let Some(&byte) = text.get(at) {
        at = match byte {
            b'\\' => at + 1,
            b'\'' | b'"' | b'`' => closing(text, at + 1, byte)?,
            b'$' if text.get(at + 1) == Some(&b'(') => closing(text, at + 2, b')')?,
            b'$' if text.get(at + 1) == Some(&b'{') => closing(text, at + 2, b'}')?,
            _ => at,
        };
        match byte {
            b'[' => open += 1,
            b']' if open == 1 => return Some(at),
            b']' => open -= 1,
            _ => {}
        }
        at += 1;
    }
    None
}

/// Where the sign is that closes what is open at a place.
fn closing(text: &[u8], from: usize, close: u8) -> Option<usize> {
    let mut at = from;
    while *text.get(at)? != close {
        at += if text[at] == b'\\' && close != b'\'' { 2 } else { 1 };
    }
    Some(at)
}
