//! What built-in utilities assign.

use crate::dialect::AssociativeLists;
use crate::expand::disciplines;
use crate::expand::places::store_list;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Associative, Key, Value};
use crate::stop::{Reach, ShellError, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

impl Walker {
    /// Makes an array of texts; where lists are pairs, they are keys and values in turn for an array that has keys.
    ///
    /// # Errors
    /// The array is read-only; the last key has no value.
    pub(in crate::walk) fn assign_array(
        &mut self,
        name: &[u8],
        texts: Vec<Text>,
        span: Span,
    ) -> Result<(), Stop> {
        let pairs = self.state.dialect.associative_lists == AssociativeLists::PairsOrIndexed;
        if !pairs || !self.is_keyed(name) {
            return store_list(&mut self.state, name, texts, span);
        }
        if texts.len() % 2 == 1 {
            let message = "the last key of an associative array has no value";
            return Err(self.state.mistake(message, span, 1));
        }
        self.state.check_writable(name, span)?;
        let emptied = Value::Associative(Associative::new(self.state.dialect.key_order));
        self.state.variables.entry(name).value = emptied;
        let mut texts = texts.into_iter();
        while let (Some(key), Some(value)) = (texts.next(), texts.next()) {
            self.assign_at((name.to_vec(), Some(Key::Text(key))), value, span)?;
        }
        Ok(())
    }

    /// Whether a word that a utility was given names a variable, or an element where there are arrays.
    pub(super) fn can_be_assigned(&self, name: &[u8]) -> bool {
        let is_number = || !name.is_empty() && name.iter().all(u8::is_ascii_digit);
        match self.state.element_named(name).filter(|_| self.state.dialect.arrays) {
            Some((array, _)) => self.state.names_variable(array),
            None => {
                self.state.names_variable(name)
                    || self.state.dialect.parameters_are_variables && is_number()
            }
        }
    }

    /// Assigns a value that a built-in utility has made.
    pub(in crate::walk) fn assign_text(
        &mut self,
        name: &[u8],
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        let place = self.place_of_text(name, span)?;
        self.assign_at(place, text, span)
    }

    /// The variable or the element that a word of a utility names.
    pub(super) fn place_of_text(
        &mut self,
        name: &[u8],
        span: Span,
    ) -> Result<(Vec<u8>, Option<Key>), Stop> {
        // A utility only fails where an assignment would end the shell.
        self.state.check_parent(name, span).map_err(|stop| match stop {
            Stop::Shell(error) => Stop::Shell(ShellError { reach: Reach::Command, ..error }),
            stop => stop,
        })?;
        let Some((array, index)) =
            self.state.element_named(name).filter(|_| self.state.dialect.arrays)
        else {
            return Ok((name.to_vec(), None));
        };
        let key = self.element_key_of_text(array, index, span)?;
        let ends = self.state.dialect.given_index_ends;
        self.state.check_given_index(array, &key, ends, span)?;
        Ok((array.to_vec(), Some(key)))
    }

    /// Assigns a value that a built-in utility has made to what it names.
    pub(super) fn assign_at(
        &mut self,
        (name, key): (Vec<u8>, Option<Key>),
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.as_slice().into()), shifted: 0 };
        let text = text.passed_through(&hop, Standing::Quoted);
        disciplines::store(self, &name, key, text, span)
    }

    /// Assigns text that a built-in utility has computed.
    pub(super) fn assign_computed(
        &mut self,
        name: &[u8],
        bytes: &[u8],
        call: &Call<'_>,
    ) -> Result<(), Stop> {
        let text = self.state.shell_text(bytes);
        self.assign_text(name, text, call.span)
    }
}
