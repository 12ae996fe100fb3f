//! Lists between double quotes inside the word of an operation, which leave something behind around it.

use crate::expand::parameter::Held;
use crate::expand::parts::is_list_part;
use crate::expand::substitute::{Place, Substitution};
use crate::lineage::{Origin, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{Operation, Parameter, Part, Subscript, Word};
use crate::text::Standing;

/// The first list of the `@` kind that stands between double quotes in a word.
pub(super) fn quoted_list(word: &Word) -> Option<&Parameter> {
    word.parts.iter().find_map(|part| list_in(part, false))
}

fn list_in(part: &Part, quoted: bool) -> Option<&Parameter> {
    match part {
        Part::Double { parts, .. } => parts.iter().find_map(|part| list_in(part, true)),
        Part::Parameter(parameter) if quoted && (is_list_part(part) || parameter.is_at_list()) => {
            Some(parameter)
        }
        Part::Parameter(parameter) => match &parameter.operation {
            Operation::Instead { word, .. } => {
                word.parts.iter().find_map(|part| list_in(part, quoted))
            }
            _ => None,
        },
        _ => None,
    }
}

/// Whether nothing stands before the first list of a word that is quoted.
pub(super) fn begins_with_quoted_list(word: &Word) -> bool {
    let is_something = |part: &&Part| match part {
        Part::Single { bytes, .. } => !bytes.is_empty(),
        Part::Double { parts, .. } => !parts.is_empty(),
        _ => true,
    };
    match word.parts.iter().find(is_something) {
        Some(Part::Double { parts, .. }) => {
            parts.first().is_some_and(|part| list_in(part, true).is_some())
        }
        Some(Part::Parameter(parameter)) => match &parameter.operation {
            Operation::Instead { word, .. } => begins_with_quoted_list(word),
            _ => false,
        },
        _ => false,
    }
}

impl Substitution<'_> {
    /// Whether a word has a quoted list in it, and that has elements.
    pub(super) fn holds_quoted_list(&mut self, word: &Word) -> Result<bool, Stop> {
        let Some(list) = quoted_list(word) else { return Ok(false) };
        Ok(matches!(self.held(list)?, Held::List { items, .. } if !items.is_empty()))
    }

    /// Keeps a field, empty or not, for an unquoted operation whose word holds a quoted list, where the shell does.
    pub(super) fn keep_field(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let applies = self.cx.state().dialect.quoted_lists_keep_fields;
        if applies && place.fields && !place.quoted && self.holds_quoted_list(word)? {
            self.push(b"", Standing::Quoted, &Origin::new(Rule::Quoted, word.span))?;
        }
        Ok(())
    }

    /// Keeps a field, empty or not, for an element whose index has quotes, where the shell does.
    pub(super) fn keep_indexed_field(
        &mut self,
        parameter: &Parameter,
        place: Place,
    ) -> Result<(), Stop> {
        let Some(Subscript::Index(index)) = &parameter.index else { return Ok(()) };
        let applies = self.cx.state().dialect.quoted_indexes_keep_fields;
        if !applies || !place.fields || place.quoted {
            return Ok(());
        }
        let written = self.cx.state().sources.bytes(index.word.span);
        if written.iter().any(|byte| matches!(byte, b'\'' | b'"')) {
            self.push(b"", Standing::Quoted, &Origin::new(Rule::Quoted, index.word.span))?;
        }
        Ok(())
    }
}
