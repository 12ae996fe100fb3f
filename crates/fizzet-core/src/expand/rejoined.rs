//! The word of an unquoted `${x-word}` with an unquoted `$@` in it, where a shell splits it for itself and
//! joins the fields with spaces before the word around it is split (observed in bash 5.2:
//! `IFS=:; set -- a 'b c'; printf '[%s]' ${x-$@}`).
//!
//! It does so if IFS begins with something other than a space. The parameters themselves count as quoted, unless an
//! operation has changed them, and the first character of IFS stands between them.
//!
//! A word with a quoted `"$@"` in it is split for itself too, and its fields stay: the blanks at its ends separate
//! nothing (`set -- p q; printf '[%s]' ${x-"$@" }r`).

use crate::expand::parameter::Held;
use crate::expand::parts::is_list_part;
use crate::expand::quoted_lists::quoted_list;
use crate::expand::substitute::{Break, Piece, Place, Substitution};
use crate::expand::{Tilde, ifs, split_all};
use crate::lineage::{Origin, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{Instead, Operation, Part, Word};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Whether the word is split and joined for itself.
    pub(super) fn is_rejoined(&mut self, word: &Word, place: Place) -> bool {
        let state = self.cx.state();
        state.dialect.lists_in_words_are_rejoined
            && place.fields
            && !place.quoted
            && ifs(state).joiner().first().is_some_and(|&first| first != b' ')
            && word.parts.iter().any(is_bare_list)
            && quoted_list(word).is_none()
    }

    /// Whether the word is split for itself, as it holds a quoted list.
    pub(super) fn is_split_for_itself(&mut self, word: &Word, place: Place) -> bool {
        let state = self.cx.state();
        state.dialect.lists_in_words_are_rejoined
            && place.fields
            && !place.quoted
            && !ifs(state).is_empty()
            && word.parts.len() > 1
            && quoted_list(word).is_some()
    }

    /// Puts the fields of such a word into the place of the parameter.
    pub(super) fn split_for_itself(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let pieces = Substitution::run(self.cx, word, place)?;
        for (at, field) in split_all(self.cx, pieces, word)?.into_iter().enumerate() {
            if at > 0 {
                self.break_field(Break::Field);
            }
            self.push_kept(&field, word)?;
        }
        Ok(())
    }

    /// A field that has been split already: nothing in it is quoted for that, but an empty one stays.
    pub(super) fn push_kept(&mut self, field: &Text, word: &Word) -> Result<(), Stop> {
        if field.is_empty() {
            self.push(b"", Standing::Quoted, &Origin::new(Rule::Join, word.span))?;
        }
        self.push_text(field)
    }

    /// Whether a part is a list that stays what it is.
    fn keeps_values(&mut self, part: &Part) -> Result<bool, Stop> {
        match part {
            Part::Parameter(parameter) if is_unchanged_list(part) => match parameter.operation {
                Operation::Value => Ok(true),
                _ => Ok(
                    matches!(self.held(parameter)?, Held::List { items, .. } if !items.is_empty()),
                ),
            },
            _ => Ok(false),
        }
    }

    /// Puts the fields of such a word into the place of the parameter, with spaces between them.
    pub(super) fn rejoined(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let origin = Origin::new(Rule::Join, word.span);
        let joiner = ifs(self.cx.state()).joiner().to_vec();
        let mut whole = Text::new();
        for (at, part) in word.parts.iter().enumerate() {
            let quoted = self.keeps_values(part)?;
            let tilde = if at == 0 { place.tilde } else { Tilde::Never };
            let alone = Word::new(vec![part.clone()], part.span());
            let inner = Place { quoted, tilde, ..place };
            for (at, piece) in Substitution::run(self.cx, &alone, inner)?.into_iter().enumerate() {
                if at > 0 {
                    whole.push(&joiner, Standing::Splittable, &origin);
                }
                whole.push_text(&piece.text);
            }
        }
        let piece = Piece::new(whole, Break::Field);
        for (at, field) in split_all(self.cx, vec![piece], word)?.into_iter().enumerate() {
            if at > 0 {
                self.push(b" ", Standing::Splittable, &origin)?;
            }
            self.push_kept(&field, word)?;
        }
        Ok(())
    }
}

/// Whether a part is an unquoted list of the `@` kind.
fn is_bare_list(part: &Part) -> bool {
    is_unchanged_list(part) || (matches!(part, Part::Parameter(_)) && is_list_part(part))
}

/// Whether a part is an unquoted list of the `@` kind whose values no operation changes.
fn is_unchanged_list(part: &Part) -> bool {
    let Part::Parameter(parameter) = part else { return false };
    let keeps = match &parameter.operation {
        Operation::Value => true,
        Operation::Instead { what, .. } => *what != Instead::Alternative,
        _ => false,
    };
    keeps && parameter.is_at_list()
}
