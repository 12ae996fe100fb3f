//! Stretches of a list or of the characters of a text, as zsh assigns them: `a[2]=x`, `a[2,3]=(p q)`
//! (zshparam, "Array Subscripts").

use std::collections::BTreeMap;

use super::{Key, State, Value};
use crate::source::Span;
use crate::stop::Stop;
use crate::text::{Text, character_ends};

/// The elements or characters that a subscript names. They count from 1, and from the end below 0.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Stretch {
    /// `[n]`
    One(i64),
    /// `[first,last]`: empty, before `first`, if `last` comes before it.
    Range(i64, i64),
}

impl Stretch {
    /// The places before and behind the stretch among `count` elements, counted from 0. The first may
    /// lie beyond them. `None` for element 0, which there is not.
    fn places(self, count: usize) -> Option<(usize, usize)> {
        let from_start = |at: i64| if at < 0 { at.saturating_add(count as i64 + 1) } else { at };
        let (first, last) = match self {
            Stretch::One(0) | Stretch::Range(0, 0) => return None,
            Stretch::One(at) => (from_start(at), from_start(at)),
            Stretch::Range(first, last) => (from_start(first), from_start(last)),
        };
        let start = first.max(1) as usize - 1;
        Some((start, (last.max(0) as usize).max(start)))
    }

    /// The number of the last of `count` elements that it names: 0 if that lies before the first one.
    pub fn last(self, count: usize) -> i64 {
        let count = count as i64;
        match self {
            Stretch::One(i64::MAX) | Stretch::Range(_, i64::MAX) => count,
            Stretch::One(at) | Stretch::Range(_, at) if at < 0 => (at + count + 1).max(0),
            Stretch::One(at) | Stretch::Range(_, at) => at,
        }
    }

    /// The last of `count` elements that it names, or the place before the first one.
    pub fn end(self, count: usize) -> Stretch {
        match self.last(count) {
            0 if self != Stretch::One(0) => Stretch::Range(1, 0),
            last => Stretch::One(last),
        }
    }

    /// The empty stretch behind this one.
    pub fn behind(self, count: usize) -> Stretch {
        match self.last(count) {
            0 if matches!(self, Stretch::One(0) | Stretch::Range(0, 0)) => self,
            last => Stretch::Range(last + 1, last),
        }
    }
}

impl State {
    /// Puts texts in the place of a stretch of a variable: of its elements, or of its characters if it
    /// holds one text. Elements that are skipped are there, and empty.
    ///
    /// # Errors
    /// Element 0; several texts for the characters of one.
    pub fn replace(
        &mut self,
        name: &[u8],
        stretch: Stretch,
        mut texts: Vec<Text>,
        span: Span,
    ) -> Result<(), Stop> {
        let is_text = !self.variables.is_array(name);
        let known = self.variables.get(name).filter(|_| is_text);
        if let Some(value) = known.and_then(|one| one.as_given().scalar().cloned()) {
            let ends = character_ends(value.bytes(), self.utf8());
            let count = ends.len() - 1;
            let (Some((start, end)), 1) = (stretch.places(count), texts.len()) else {
                let message = "this cannot take the place of characters of the text";
                return Err(self.mistake(message, span, 1));
            };
            let mut changed = value.slice(0, ends[start.min(count)]);
            changed.push_text(&texts.remove(0));
            changed.push_text(&value.slice(ends[end.min(count)], value.len()));
            return self.store(name, None, changed, span);
        }
        let count = self.variables.highest(name).max(0) as usize;
        let Some((start, end)) = stretch.places(count) else {
            // A variable that is not there is made nevertheless.
            let value = &mut self.variables.entry(name).value;
            if matches!(value, Value::Nothing) {
                *value = Value::Indexed(BTreeMap::new());
            }
            return Err(self.mistake("there is no element 0", span, 1));
        };
        if start > count + self.limits.fields {
            return Err(self.mistake("the index is too large", span, 1));
        }
        if texts.len() == 1 && end == start + 1 && start <= count {
            self.variables.set_element(name, Key::Number(end as i64), texts.remove(0));
            self.drop_repeats(name);
            return Ok(());
        }
        let empty = self.shell_text(b"");
        let variable = self.variables.entry(name);
        let mut elements = match std::mem::replace(&mut variable.value, Value::Nothing) {
            Value::Indexed(elements) => elements,
            _ => BTreeMap::new(),
        };
        let first_behind = end.min(count) as i64 + 1;
        let behind = elements.split_off(&first_behind);
        elements.split_off(&(start as i64 + 1));
        for gap in count..start {
            elements.insert(gap as i64 + 1, empty.clone());
        }
        let mut next = start as i64 + 1;
        for mut text in texts {
            text.bound_runs();
            elements.insert(next, text);
            next += 1;
        }
        match next == first_behind && start <= count {
            true => elements.extend(behind),
            false => elements.extend((next..).zip(behind.into_values())),
        }
        variable.value = Value::Indexed(elements);
        self.drop_repeats(name);
        Ok(())
    }
}
