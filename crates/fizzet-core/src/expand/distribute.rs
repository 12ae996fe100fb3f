//! `${^x}` and `setopt rcexpandparam`: each element of a list takes the text around it along
//! (zshexpn, "Parameter Expansion"; observed in zsh 5.9).

use crate::expand::substitute::{Break, Piece, Place, Substitution};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Limits, Stop};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Puts a list into the word whose elements are choices: the word becomes as many fields.
    pub(super) fn distribute(
        &mut self,
        span: Span,
        items: Vec<Text>,
        place: Place,
    ) -> Result<(), Stop> {
        self.break_field(Break::Choices);
        for mut text in items {
            text.set_standing(place.expanded());
            if place.quoted && text.is_empty() {
                self.push(b"", Standing::Quoted, &Origin::new(Rule::Parameter, span))?;
            }
            self.push_text(&text)?;
            self.break_field(Break::Choice);
        }
        self.break_field(Break::ChoicesEnd);
        Ok(())
    }
}

/// The pieces of a word in which every field that holds choices is there once for each of them.
pub(super) fn chosen(pieces: Vec<Piece>, limits: Limits, span: Span) -> Result<Vec<Piece>, Stop> {
    if !pieces.iter().any(|piece| piece.after == Break::Choices) {
        return Ok(pieces);
    }
    let mut made: Vec<Piece> = Vec::new();
    let (mut fields, mut choices) = (vec![Text::new()], Vec::new());
    for Piece { text, after, .. } in pieces {
        match after {
            Break::Choice => choices.push(text),
            Break::ChoicesEnd => {
                let count = fields.len() * choices.len();
                let bytes = fields.iter().chain(&choices).map(Text::len).max().unwrap_or(0);
                if count > limits.fields || count.saturating_mul(bytes) > limits.bytes {
                    let (what, limit) = ("fields of one word", limits.fields as u64);
                    return Err(Stop::Limit { what, limit, span });
                }
                fields = fields.iter().flat_map(|field| with_each(field, &choices)).collect();
                choices.clear();
            }
            after => {
                fields.iter_mut().for_each(|field| field.push_text(&text));
                if after != Break::Choices {
                    let ended = std::mem::replace(&mut fields, vec![Text::new()]);
                    made.extend(ended.into_iter().map(|text| Piece::new(text, after)));
                }
            }
        }
    }
    Ok(made)
}

fn with_each(field: &Text, choices: &[Text]) -> Vec<Text> {
    let with = |choice: &Text| {
        let mut whole = field.clone();
        whole.push_text(choice);
        whole
    };
    choices.iter().map(with).collect()
}
