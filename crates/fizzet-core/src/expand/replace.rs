//! `${x/pattern/word}` and its kin.

use std::rc::Rc;

use crate::dialect::ListOperations;
use crate::expand::change::{Replacement, before_each, replaced};
use crate::expand::parameter::Held;
use crate::expand::pattern::Pattern;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::tilde::in_field;
use crate::expand::{Tilde, joined, pattern_text_with};
use crate::lineage::{Hop, Rule};
use crate::stop::Stop;
use crate::syntax::ast::{Parameter, Replace, Word};
use crate::text::Text;

impl Substitution<'_> {
    pub(super) fn replace(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (which, pattern, replacement): (Replace, &Word, Option<&Word>),
        place: Place,
    ) -> Result<Held, Stop> {
        let anchored = matches!(which, Replace::Prefix | Replace::Suffix);
        let dialect = &self.cx.state().dialect;
        let plain = !dialect.tilde_in_replaced || (anchored && !dialect.tilde_in_anchored);
        let tilde = if plain { Tilde::Never } else { Tilde::InOperation };
        let text = pattern_text_with(self.cx, pattern, tilde)?;
        let state = self.cx.state();
        let pattern = Pattern::from_text(&text, state.text_pattern_rules());
        let given = replacement.is_some();
        let dialect = self.cx.state().dialect.clone();
        let once = match dialect.replacement_for_each_match {
            true => None,
            false => Some(Rc::new(self.replacement(parameter, replacement, place)?)),
        };
        let empty = anchored && !dialect.empty_anchor && pattern.literal() == Some(b"");
        let held = match held {
            // The rest of the list is lost.
            Held::List { mut items, star } if self.lists() == ListOperations::WholeString => {
                let first = items.first().map_or(&b""[..], Text::bytes);
                if given && pattern.search(first).next(0).is_some() {
                    items.truncate(1);
                }
                Held::List { items, star }
            }
            Held::Unset if dialect.replaces_unset && !self.cx.state().options.no_unset => {
                Held::One(Text::new())
            }
            held => held,
        };
        let everywhere = dialect.empty_pattern_matches
            && which == Replace::All
            && pattern.literal() == Some(b"");
        let limit = self.cx.state().limits.bytes;
        let held = self.each_in_turn(parameter, held, |this, text| {
            let next = || match &once {
                Some(replacement) => Ok(replacement.clone()),
                None => this.replacement(parameter, replacement, place).map(Rc::new),
            };
            match empty && !text.is_empty() {
                true => Ok(text.clone()),
                false if everywhere => before_each(text, next),
                false => replaced(text, &pattern, next, which, limit),
            }
        })?;
        if let Held::One(text) = &held
            && text.len() > limit
        {
            let (what, limit) = ("bytes in one word", limit as u64);
            return Err(Stop::Limit { what, limit, span: parameter.span });
        }
        Ok(held)
    }

    /// What the word for a replacement expands to.
    fn replacement(
        &mut self,
        parameter: &Parameter,
        word: Option<&Word>,
        place: Place,
    ) -> Result<Replacement, Stop> {
        let dialect = self.cx.state().dialect.clone();
        let text = match word {
            Some(word) => {
                let quoted = place.quoted && !dialect.replacement_unquotes;
                let tilde = match dialect.tilde_after_equals {
                    true => Tilde::AfterEquals,
                    false => Tilde::AtStart,
                };
                let inner = Place { fields: false, quoted, tilde, joins_stars: false, ..place };
                let text = joined(Substitution::run(self.cx, word, inner)?);
                match dialect.tilde_in_fields && !quoted {
                    true => in_field(self.cx, text, word.span, tilde)?,
                    false => text,
                }
            }
            None => Text::new(),
        };
        let ampersand = dialect.replacement_ampersand && !self.cx.state().options.no_ampersand;
        let made = Replacement::new(&text, ampersand, dialect.replacement_backslashes);
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        Ok(match dialect.replacements_stay_apart {
            true => made,
            // What is put in and what stays are one value when that is split.
            false => made.passed_through(&hop),
        })
    }
}
