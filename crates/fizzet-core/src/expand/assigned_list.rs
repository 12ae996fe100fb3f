//! `${(A)x::=word}` and `${(AA)x=word}`: the word becomes an array (observed in zsh 5.9).

use std::collections::BTreeMap;

use crate::expand::parameter::Held;
use crate::expand::substitute::{Place, Substitution};
use crate::lineage::{Hop, Rule};
use crate::state::{Associative, Value};
use crate::stop::Stop;
use crate::syntax::ast::{Flagged, Instead, Operation, ParameterName};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// The array that the word of an assignment makes, if the flag asks for one and the value does not
    /// stand already. The words of a text split where `=` asks for that; otherwise each expansion of a list
    /// gives its elements, and everything else is one.
    pub(super) fn assigned_list(
        &mut self,
        flagged: &Flagged,
        held: &Held,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let marks = flagged.flags.iter().filter(|flag| flag.letter == b'A').count();
        let Operation::Instead { what, colon, word } = &flagged.parameter.operation else {
            return Ok(None);
        };
        let stands = match held {
            Held::Unset => false,
            Held::One(text) => !*colon || !text.is_empty(),
            Held::List { items, .. } => !items.is_empty(),
        };
        let assigns = match what {
            Instead::AssignAlways => true,
            Instead::Assign => !stands,
            _ => false,
        };
        let ParameterName::Variable(name) = &flagged.parameter.name else { return Ok(None) };
        if marks == 0 || !assigns || flagged.parameter.index.is_some() {
            return Ok(None);
        }
        let span = flagged.parameter.span;
        let mut inside = Place { quoted: false, fields: true, ..place };
        let splits = flagged.splits == Some(true);
        if splits {
            inside.literal = Standing::Splittable;
            inside.expansion = Standing::Splittable;
        }
        let outer = self.cx.state().options.word_split;
        self.cx.state().options.word_split |= splits;
        let fields = self.word_fields(word, inside);
        self.cx.state().options.word_split = outer;
        let fields = fields?;
        let hop = |rule| Hop { rule, span, name: Some(name.clone()), shifted: 0 };
        let stored: Vec<Text> = fields
            .iter()
            .map(|text| text.passed_through(&hop(Rule::Stored), Standing::Quoted))
            .collect();
        let read = |text: &Text| text.passed_through(&hop(Rule::Parameter), Standing::Quoted);
        let items = stored.iter().map(read).collect();
        let state = self.cx.state();
        state.check_writable(name, span)?;
        if marks > 1 && stored.len() % 2 == 1 {
            return Err(state.mistake("the last key has no value", span, 1));
        }
        let value = if marks > 1 {
            let mut pairs = Associative::new(state.dialect.key_order);
            let mut texts = stored.into_iter();
            while let Some(key) = texts.next() {
                pairs.set(key, texts.next().unwrap_or_default());
            }
            Value::Associative(pairs)
        } else {
            let first = state.dialect.first_index;
            Value::Indexed((first..).zip(stored).collect::<BTreeMap<i64, Text>>())
        };
        state.variables.entry(name).value = value;
        Ok(Some(Held::List { items, star: false }))
    }
}
