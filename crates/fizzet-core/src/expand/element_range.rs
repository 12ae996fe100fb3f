//! `${x[from..to]}`: the elements of an array between two indexes (ksh93 manual, "Parameter Expansion"; observed in
//! ksh93u+m).
//!
//! The first one is that at the start or the next behind it, even where it lies behind the end; a range that ends with
//! the dots has no other.

use std::rc::Rc;

use crate::expand::substitute::Substitution;
use crate::source::Span;
use crate::state::Key;
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, Part, Word};
use crate::text::Text;

/// What stands between the two ends.
const DOTS: &[u8] = b"..";

/// The two ends of a range that an index is written as; nothing stands for an end that is left out.
pub(super) fn ends_of(index: &Arithmetic) -> Option<(Option<Arithmetic>, Option<Arithmetic>)> {
    let parts = &index.word.parts;
    let (at, dots) = parts.iter().enumerate().find_map(|(at, part)| match part {
        Part::Literal { bytes, .. } | Part::Single { bytes, .. } => {
            Some((at, bytes.windows(DOTS.len()).position(|two| two == DOTS)?))
        }
        _ => None,
    })?;
    let (bytes, span) = match &parts[at] {
        Part::Literal { bytes, span } | Part::Single { bytes, span } => (bytes, *span),
        _ => return None,
    };
    let literal = |bytes: &[u8], start: usize| {
        let start = span.start + start as u32;
        let span = Span { start, end: start + bytes.len() as u32, ..span };
        Part::Literal { bytes: bytes.into(), span }
    };
    let (first, second) = (&bytes[..dots], &bytes[dots + DOTS.len()..]);
    let mut before = parts[..at].to_vec();
    before.push(literal(first, 0));
    let mut behind = vec![literal(second, dots + DOTS.len())];
    behind.extend_from_slice(&parts[at + 1..]);
    let whole = index.word.span;
    let cut = span.start + dots as u32;
    let end = |parts: Vec<Part>, span: Span| {
        let is_empty = matches!(&parts[..], [Part::Literal { bytes, .. }] if bytes.is_empty());
        let word = Word::new(parts, span);
        (!is_empty).then(|| Arithmetic { word, cached: Default::default() })
    };
    let behind_start = cut + DOTS.len() as u32;
    Some((
        end(before, Span { end: cut, ..whole }),
        end(behind, Span { start: behind_start, ..whole }),
    ))
}

impl Substitution<'_> {
    /// The keys of the elements between two ends, in the order of the array; nothing if the index is no range.
    pub(super) fn keys_between(
        &mut self,
        name: &Rc<[u8]>,
        index: &Arithmetic,
    ) -> Result<Option<Vec<Vec<u8>>>, Stop> {
        if !self.cx.state().dialect.element_ranges {
            return Ok(None);
        }
        let Some((from, to)) = ends_of(index) else { return Ok(None) };
        let from = from.map(|from| self.key(name, &from)).transpose()?;
        let to = to.map(|to| self.key(name, &to)).transpose()?;
        let variables = &self.cx.state().variables;
        // How an element stands to an end of the range.
        let stands = |key: &[u8], end: &Key| match end {
            Key::Text(end) => key.cmp(end.bytes()),
            Key::Number(end) => {
                let end = variables.index(name, *end).unwrap_or(*end);
                number(key).unwrap_or_default().cmp(&end)
            }
        };
        let is_before = |key: &Vec<u8>| from.as_ref().is_some_and(|from| stands(key, from).is_lt());
        let is_inside = |key: &[u8]| to.as_ref().is_some_and(|to| stands(key, to).is_le());
        let all = variables.keys(name).into_iter().skip_while(is_before).enumerate();
        let counts = |(at, key): &(usize, Vec<u8>)| *at == 0 || is_inside(key);
        Ok(Some(all.take_while(counts).map(|(_, key)| key).collect()))
    }

    /// The elements between two ends; nothing if the index is no range.
    pub(super) fn elements_between(
        &mut self,
        name: &Rc<[u8]>,
        index: &Arithmetic,
    ) -> Result<Option<Vec<Text>>, Stop> {
        let Some(keys) = self.keys_between(name, index)? else { return Ok(None) };
        let state = self.cx.state();
        let keyed = state.variables.is_keyed(name);
        let key = |key: &[u8]| match keyed {
            true => Key::Text(state.shell_text(key)),
            false => Key::Number(number(key).unwrap_or_default()),
        };
        let texts = keys.iter().filter_map(|one| state.variables.element(name, &key(one)));
        Ok(Some(texts.cloned().collect()))
    }
}

/// The number of an element.
fn number(key: &[u8]) -> Option<i64> {
    std::str::from_utf8(key).ok()?.parse().ok()
}
