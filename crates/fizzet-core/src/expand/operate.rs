//! What `${...}` does with a value.

use crate::expand::parameter::Held;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::{Tilde, joined, single};
use crate::lineage::{Hop, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{Instead, Operation, Parameter, ParameterName, Word};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Carries out the operation; `None` when the word of the operation has been put into place.
    pub(super) fn operate(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        match &parameter.operation {
            Operation::Value | Operation::Bad => Ok(Some(held)),
            Operation::Length => self.length(parameter, held).map(Some),
            Operation::Instead { what, colon, word } => {
                self.instead(parameter, held, (*what, *colon, word), place)
            }
            _ => {
                self.cx.missing("an expansion that is not traced yet", parameter.span);
                let origin = crate::lineage::Origin::new(Rule::Parameter, parameter.span);
                let mut hole = Text::new();
                hole.push_hole(Standing::Quoted, &origin);
                Ok(Some(Held::One(hole)))
            }
        }
    }

    fn length(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        let state = self.cx.state();
        let characters = state.dialect.characters && state.utf8();
        let count = match &held {
            Held::Unset => 0,
            Held::One(text) => length(text.bytes(), characters),
            Held::List { items, .. } => items.len(),
        };
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        let text = state.shell_text(count.to_string().as_bytes());
        Ok(Held::One(text.passed_through(&hop, Standing::Quoted)))
    }

    fn instead(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (what, colon, word): (Instead, bool, &Word),
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let has_value = match &held {
            Held::Unset => false,
            Held::One(text) => !colon || !text.is_empty(),
            Held::List { items, .. } => {
                !items.is_empty() && (!colon || items.iter().any(|item| !item.is_empty()))
            }
        };
        let use_word = has_value == (what == Instead::Alternative);
        if !use_word {
            // `${x+word}` of an unset x is nothing, and no error under set -u.
            let nothing = what == Instead::Alternative;
            return Ok(Some(if nothing { Held::One(Text::new()) } else { held }));
        }
        match what {
            Instead::Default | Instead::Alternative => {
                let literal = Standing::Splittable;
                self.word(word, Place { literal, tilde: Tilde::AtStart, ..place })?;
                Ok(None)
            }
            Instead::Assign => self.assign(parameter, word, place).map(Some),
            Instead::Error => {
                let text = single(self.cx, word, Tilde::AtStart)?;
                let name = parameter.name.to_bytes();
                let message = match text.is_empty() {
                    true => "it is not set".into(),
                    false => String::from_utf8_lossy(text.bytes()).into_owned(),
                };
                let message = format!("{}: {message}", String::from_utf8_lossy(&name));
                let status = self.cx.state().dialect.unset_status;
                Err(Stop::shell(message, parameter.span, status))
            }
        }
    }

    fn assign(&mut self, parameter: &Parameter, word: &Word, place: Place) -> Result<Held, Stop> {
        let ParameterName::Variable(name) = &parameter.name else {
            let status = self.cx.state().dialect.bad_substitution_status;
            return Err(Stop::shell("only a variable can be assigned", parameter.span, status));
        };
        let inner = Place { fields: false, tilde: Tilde::AtStart, ..place };
        let value = joined(Substitution::run(self.cx, word, inner)?);
        let hop = |rule| Hop { rule, span: parameter.span, name: Some(name.clone()), shifted: 0 };
        let stored = value.passed_through(&hop(Rule::Stored), Standing::Quoted);
        let expanded = stored.passed_through(&hop(Rule::Parameter), Standing::Quoted);
        self.cx.state().variables.set(name, stored);
        Ok(Held::One(expanded))
    }
}

/// The length of a value in characters or in bytes.
fn length(bytes: &[u8], characters: bool) -> usize {
    let mut rest = bytes;
    let mut count = 0;
    while let Some((_, length)) = crate::expand::pattern::next_character(rest, characters) {
        rest = &rest[length..];
        count += 1;
    }
    count
}
