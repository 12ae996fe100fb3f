//! The keys of elements that are assigned.

use crate::dialect::ListAttributes;
use crate::expand;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{Keeps, Key, Value};
use crate::stop::{Reach, Stop};
use crate::syntax::ast::Arithmetic;
use crate::syntax::{ENDS_ELSEWHERE, is_index_text, search_flags_of};
use crate::text::{Standing, Text};
use crate::walk::Walker;

impl Walker {
    pub(super) fn is_keyed(&self, name: &[u8]) -> bool {
        self.state.variables.is_keyed(name)
    }

    pub(super) fn element_key(
        &mut self,
        name: &[u8],
        index: &Arithmetic,
        in_list: bool,
    ) -> Result<Key, Stop> {
        let span = index.word.span;
        let keyed = self.is_keyed(name);
        let means_all = match self.state.sources.bytes(span) {
            b"" => !keyed,
            b"@" | b"*" => !keyed || self.state.dialect.all_is_no_key,
            _ => false,
        };
        if means_all {
            return Err(self.state.mistake("one index was expected", span, 1));
        }
        if keyed {
            let text = match in_list {
                true => expand::parameter::listed_key(self, index)?,
                false => self.assigned_key(index)?,
            };
            return self.key_of_known(&text, span);
        }
        let number = expand::parameter::index_number(self, index, in_list);
        let Some(number) = number.map_err(Stop::in_index)? else {
            return Err(self.state.mistake("one index was expected", span, 1));
        };
        let number = self.state.check_largest(self.state.index(number), span)?;
        Ok(Key::Number(number))
    }

    /// The key of an element that is assigned: behind `(e)` it is what follows; other flags search for elements,
    /// which are no place for a value (observed in zsh 5.9: `h[(e)*]=x; h[(r)*]=x`).
    fn assigned_key(&mut self, index: &Arithmetic) -> Result<Text, Stop> {
        let span = index.word.span;
        let written = self.state.sources.bytes(span).to_vec();
        let flags = match self.state.dialect.assigned_keys_have_flags {
            true => search_flags_of(&written, &self.state.dialect),
            false => None,
        };
        match flags {
            None => expand::parameter::key_text(self, index),
            Some((flags, rest)) if flags.letters.iter().all(|&letter| letter == b'e') => {
                expand::parameter::index_text(self, &written[rest..], true)
            }
            Some(_) => {
                let message = "elements that are searched for cannot be assigned";
                Err(self.state.mistake(message, span, 1))
            }
        }
    }

    /// The key that a text is in an associative array.
    pub(super) fn key_of_known(&self, text: &Text, span: Span) -> Result<Key, Stop> {
        match self.is_refused(text) {
            true => Err(self.state.mistake("the key is empty", span, 1)),
            false => Ok(Key::Text(text.clone())),
        }
    }

    /// A list is assigned, or added with `append`: takes away the attributes that do not outlast that.
    pub(in crate::walk) fn lose_attributes(&mut self, name: &[u8], append: bool) {
        let how = self.state.dialect.list_attributes;
        let Some(variable) = self.state.variables.get_mut(name) else { return };
        let is_bare = variable.bare && matches!(variable.value, Value::Indexed(_));
        let loses = match how {
            ListAttributes::Kept => false,
            ListAttributes::LostUnlessBare => !append && !is_bare,
            ListAttributes::Lost => !append,
            ListAttributes::None => true,
        };
        if loses && variable.keeps != Keeps::Name {
            variable.keeps = Keeps::Text;
            variable.field = None;
        }
    }

    /// Whether a key is empty where the shell minds that in an element that is assigned.
    fn is_refused(&self, key: &Text) -> bool {
        key.is_empty() && !key.has_hole() && self.state.dialect.empty_key_is_mistake
    }

    /// Refuses an index that ends elsewhere where it is read anew.
    pub(in crate::walk) fn check_index_text(&self, index: &[u8], span: Span) -> Result<(), Stop> {
        if is_index_text(index, &self.state.dialect) {
            return Ok(());
        }
        Err(self.state.mistake(ENDS_ELSEWHERE, span, 1))
    }

    /// The key that the text of an index stands for, which a utility was given.
    pub(super) fn element_key_of_text(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Key, Stop> {
        self.check_index_text(index, span)?;
        let is_whole = matches!(index, b"@" | b"*") && !self.is_keyed(name);
        if is_whole && self.state.dialect.whole_index_is_mistake {
            return Err(Stop::error("one index was expected", span, 1, Reach::Command));
        }
        match self.key_of_text(name, index, span)? {
            Key::Text(text) if self.is_refused(&text) => {
                Err(Stop::error("the key is empty", span, 1, Reach::Command))
            }
            key => Ok(key),
        }
    }

    /// The same behind a declaration utility, which always expands it.
    pub(super) fn declared_key(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Key, Stop> {
        let once = std::mem::take(&mut self.state.options.keys_expand_once);
        let key = self.element_key_of_text(name, index, span);
        self.state.options.keys_expand_once = once;
        key
    }

    /// The same as [`Walker::element_key_of_text`], where it may be empty.
    pub(super) fn key_of_text(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Key, Stop> {
        let expands = index.iter().any(|byte| b"$`\"'\\".contains(byte));
        if !expands || !self.state.dialect.index_texts_expand {
            return self.state.element_key(name, index, span);
        }
        let keyed = self.is_keyed(name);
        if keyed && self.state.dialect.keys_keep_quotes {
            return self.state.element_key(name, index, span);
        }
        if keyed && self.state.options.keys_expand_once {
            let origin = Origin::new(Rule::Literal, span);
            return Ok(Key::Text(Text::from_bytes(index, Standing::Quoted, origin)));
        }
        let text =
            expand::parameter::index_text(self, index, keyed).map_err(|stop| match stop {
                Stop::Syntax(error) => Stop::error(error.to_string(), span, 1, Reach::Command),
                stop => stop,
            })?;
        match keyed {
            true => Ok(Key::Text(text)),
            false => self.state.element_key(name, text.bytes(), span),
        }
    }
}
