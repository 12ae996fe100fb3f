//! `${x:offset:length}`: a part of a text or of a list.

use crate::dialect::{Dialect, ListOperations, NegativeLength, OffsetEnd, SlicedUnset};
use crate::expand::half_known::{hole_at, part};
use crate::expand::parameter::Held;
use crate::expand::split::Ifs;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::whole::part_of_list;
use crate::expand::{Tilde, arithmetic, ifs, single};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Value, listed};
use crate::stop::{ShellError, Stop};
use crate::syntax::ast::{Arithmetic, Parameter, ParameterName, Part, Subscript, Word};
use crate::text::{Standing, Text, character_count, character_ends};

impl Substitution<'_> {
    /// Whether `${x[@]:1:2}` is a part of the text that x is.
    fn is_cut_as_text(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let state = self.cx.state();
        state.dialect.lists_of_texts_are_cut
            && matches!(state.variables.get(name), Some(one) if matches!(one.value, Value::Scalar(_)))
    }

    /// The last index of the array whose elements are cut, where the shell looks at it before the length:
    /// `Some(None)` for an array without elements, of which it does not even evaluate the offset.
    fn last_index(&mut self, parameter: &Parameter) -> Option<Option<i64>> {
        let ParameterName::Variable(name) = &parameter.name else { return None };
        let state = self.cx.state();
        let is_list = matches!(parameter.index, Some(Subscript::At | Subscript::Star));
        if !is_list || !state.dialect.length_is_late {
            return None;
        }
        match state.variables.get(name).map(|variable| &variable.value) {
            Some(Value::Indexed(elements)) => Some(elements.last_key_value().map(|(&key, _)| key)),
            Some(Value::Associative(elements)) if elements.pairs().is_empty() => Some(None),
            None => Some(None),
            Some(_) => None,
        }
    }

    /// The indexes of the elements that are cut, where the shell goes by them and some are missing, and the highest
    /// of all.
    fn indexes(&mut self, parameter: &Parameter) -> Option<(Vec<i64>, i64)> {
        let ParameterName::Variable(name) = &parameter.name else { return None };
        let state = self.cx.state();
        let variable = state.variables.get(name).filter(|_| state.dialect.slices_go_by_index)?;
        match &variable.value {
            Value::Indexed(elements) => {
                let last = elements.last_key_value().map_or(-1, |(&key, _)| key);
                let has_gaps = last + 1 > elements.len() as i64;
                has_gaps.then(|| (listed(elements).map(|(index, _)| index).collect(), last))
            }
            _ => None,
        }
    }

    /// Whether the elements that are cut are counted from 1.
    fn counts_from_one(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let is_list = matches!(parameter.index, Some(Subscript::At | Subscript::Star));
        let state = self.cx.state();
        is_list
            && state.dialect.keyed_slices_count_from_one
            && state
                .variables
                .get(name)
                .is_some_and(|one| matches!(one.value, Value::Associative(_)))
    }

    /// Whether an offset lies outside of what is cut, where the shell does not look at the length then.
    fn is_beyond(&mut self, parameter: &Parameter, held: &Held, offset: i64) -> bool {
        let state = self.cx.state();
        if !state.dialect.length_is_late {
            return false;
        }
        let characters = state.dialect.characters && state.utf8();
        let count = match held {
            Held::Unset => 0,
            Held::One(text) => character_count(text.bytes(), characters) as i64,
            Held::List { items, .. } => match parameter.name {
                ParameterName::Special(_) => items.len() as i64 + 1,
                // The last index has been looked at already.
                _ => return false,
            },
        };
        offset > count || offset < -count
    }

    pub(super) fn substring(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (offset, length): (&Arithmetic, Option<&Arithmetic>),
        place: Place,
    ) -> Result<Held, Stop> {
        let state = self.cx.state();
        if length.is_some_and(|length| length.word.parts.is_empty())
            && state.dialect.length_is_needed
        {
            let message = "there is no number behind the second colon";
            return Err(state.mistake(message, parameter.span, 1));
        }
        let last = self.last_index(parameter);
        if last == Some(None) {
            return Ok(held);
        }
        let may_change = [Some(offset), length].into_iter().flatten().any(Arithmetic::may_change);
        let before = self.held_before(parameter, may_change)?;
        let (mut offset, late_length) = match self.cx.state().dialect.offset_end.is_late() {
            true => self.late_numbers(&offset.word, place)?,
            false => (self.number_of_slice(offset)?, None),
        };
        let from_one = self.counts_from_one(parameter);
        let count = match &held {
            Held::List { items, .. } => items.len() as i64,
            _ => 0,
        };
        if from_one && offset > 0 {
            offset -= 1;
        } else if from_one && offset == -count - 1 {
            offset = -count;
        }
        if last.flatten().is_some_and(|last| offset > last) {
            let star = matches!(held, Held::List { star: true, .. });
            return Ok(Held::List { items: Vec::new(), star });
        }
        let length = match length {
            Some(_) if self.is_beyond(parameter, &held, offset) => None,
            // Where they are counted from 1, one is taken at least.
            Some(length) => Some(self.number_of_slice(length)?)
                .map(|length| if from_one && length == 0 { 1 } else { length }),
            None => late_length,
        };
        let held = self.held_behind(parameter, held, before)?;
        let indexes = self.indexes(parameter);
        let state = self.cx.state();
        let dialect = state.dialect.clone();
        let characters = dialect.characters && state.utf8();
        let measure = Measure { offset, length, dialect: &dialect, span: parameter.span };
        let held = match held {
            Held::List { mut items, star } if self.is_cut_as_text(parameter) => {
                let text = items.pop().map_or(Held::Unset, Held::One);
                if !star && self.is_beyond(parameter, &text, offset) {
                    return Ok(Held::List { items, star });
                }
                text
            }
            held => held,
        };
        let part = match held {
            Held::Unset => {
                let is_parameter = matches!(parameter.name, ParameterName::Positional(_));
                let is_taken = match dialect.sliced_unset {
                    SlicedUnset::All => true,
                    SlicedUnset::Parameters => is_parameter,
                    SlicedUnset::Nothing => false,
                };
                if !is_taken {
                    self.unset(parameter)?;
                }
                measure.of_text(&Text::new(), characters).map(Held::One)
            }
            Held::One(text) => measure.of_text(&text, characters).map(Held::One),
            Held::List { items, star } if self.lists() == ListOperations::WholeString => {
                let cut = |text: &Text| measure.of_text(text, characters).unwrap_or_default();
                Some(Held::List { items: part_of_list(&items, parameter.span, cut), star })
            }
            Held::List { items, star } if indexes.is_some() => {
                let (indexes, last) = indexes.unwrap_or_default();
                measure.of_elements(items, &indexes, last).map(|items| Held::List { items, star })
            }
            Held::List { mut items, star } => {
                if offset == 0
                    && let Some(place) = self.place_behind(parameter, items.len())
                {
                    // The first element has been found by then.
                    let rest = items.get(place..).unwrap_or_default().to_vec();
                    items.truncate(1);
                    items.extend(rest);
                }
                let has_zero = offset >= 0 || !dialect.negative_offset_skips_zero;
                let all = match parameter.name {
                    ParameterName::Special(_) if has_zero => self.with_zero(parameter, items),
                    _ => items,
                };
                measure.of_list(all).map(|items| Held::List { items, star })
            }
        };
        part.ok_or_else(|| {
            let message = "the length of a substring is less than 0";
            let status = dialect.bad_substitution_status;
            match self.cx.state().mistake(message, parameter.span, status) {
                Stop::Shell(error) => self.slice_failed(error.of_a_number()),
                stop => stop,
            }
        })
    }

    /// The offset or the length of a slice.
    fn number_of_slice(&mut self, written: &Arithmetic) -> Result<i64, Stop> {
        arithmetic::value(self.cx, written).map_err(|stop| match stop {
            Stop::Shell(error) if !error.is_of_words && !error.goes_through => {
                self.slice_failed(error)
            }
            stop => stop,
        })
    }

    /// A mistake in the numbers of a slice, which may end less than one in another expression.
    fn slice_failed(&mut self, error: ShellError) -> Stop {
        let reach = self.cx.state().dialect.slice_mistakes_end.unwrap_or(error.reach);
        Stop::Shell(ShellError { reach, ..error })
    }

    /// The offset and the length that the text behind the first colon is expanded to.
    fn late_numbers(&mut self, word: &Word, place: Place) -> Result<(i64, Option<i64>), Stop> {
        let text = self.text_of_numbers(word, place)?;
        let (state, span) = (self.cx.state(), word.span);
        if text.has_hole() {
            self.cx.missing("a number in an arithmetic expression", span);
            return Ok((0, None));
        }
        let ends_expression = state.dialect.offset_end == OffsetEnd::EndOfExpression;
        // Quotes inside quotes end those around them.
        let is_quoted =
            place.quoted && !word.parts.iter().any(|part| matches!(part, Part::Double { .. }));
        let signs: &[u8] = if is_quoted { b"(|&)*?[" } else { b"(|&)" };
        if ends_expression && text.bytes().iter().any(|byte| signs.contains(byte)) {
            return Err(state.mistake("the numbers hold a sign of patterns", span, 1));
        }
        let colon = match ends_expression {
            true => colon_outside_conditions(text.bytes()),
            false => text.bytes().iter().position(|&byte| byte == b':'),
        };
        let Some(colon) = colon else {
            return Ok((arithmetic::text_value(self.cx, text.bytes(), span)?, None));
        };
        let (offset, length) = (&text.bytes()[..colon], &text.bytes()[colon + 1..]);
        if offset.is_empty() && state.dialect.length_needs_offset {
            let message = "there is no number before the second colon";
            return Err(state.mistake(message, span, 1));
        }
        let offset = arithmetic::text_value(self.cx, offset, span)?;
        Ok((offset, Some(arithmetic::text_value(self.cx, length, span)?)))
    }

    /// The text that the numbers are read from. Where it is a word of the command, fields that end in it stay in
    /// the command; and as many bytes as the field had before it are passed over in what has begun behind them.
    fn text_of_numbers(&mut self, word: &Word, place: Place) -> Result<Text, Stop> {
        let stays = self.cx.state().dialect.offset_end == OffsetEnd::EndOfExpression;
        if !stays || !place.fields {
            return single(self.cx, word, Tilde::Never);
        }
        let fields = self.fields_done();
        let outer = self.replace_current(Text::new());
        let literal = if place.quoted { Standing::Plain } else { Standing::Splittable };
        self.word(word, Place { literal, alone: false, ..place })?;
        let before = outer.len();
        let (made, is_apart) = match self.fields_done() > fields {
            true => {
                let first = self.field_made(fields);
                let behind = std::mem::replace(first, outer);
                first.push_text(&behind);
                (self.replace_current(Text::new()), true)
            }
            false => (self.replace_current(outer), false),
        };
        let start = match last_separator(&made, &ifs(self.cx.state())) {
            Some(separator) => separator + 1,
            None if is_apart => 0,
            None => return Ok(made),
        };
        let passed = made.len().min(start + before);
        self.push_text(&made.slice(0, passed))?;
        Ok(made.slice(passed, made.len()))
    }

    /// The positional parameters with `$0` before them: offset 0 means `$0`, offset 1 means `$1`.
    fn with_zero(&mut self, parameter: &Parameter, mut items: Vec<Text>) -> Vec<Text> {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        let zero = &self.cx.state().positional.zero;
        items.insert(0, zero.passed_through(&hop, Standing::Quoted));
        items
    }
}

/// The first colon that belongs to no `?` before it.
fn colon_outside_conditions(text: &[u8]) -> Option<usize> {
    let mut open = 0usize;
    text.iter().position(|&byte| {
        open += usize::from(byte == b'?');
        let ends = byte == b':' && open == 0;
        open -= usize::from(byte == b':' && open > 0);
        ends
    })
}

/// Where the last byte stands that ends a field.
fn last_separator(text: &Text, ifs: &Ifs) -> Option<usize> {
    let mut start = 0;
    let mut last = None;
    for (run, bytes) in text.runs() {
        if run.standing.is_split() {
            let found = bytes.iter().rposition(|&byte| ifs.separates(byte));
            last = found.map(|at| start + at).or(last);
        }
        start += bytes.len();
    }
    last
}

/// An offset and a length; a negative offset counts from the end.
struct Measure<'d> {
    offset: i64,
    length: Option<i64>,
    dialect: &'d Dialect,
    /// Where it is written.
    span: Span,
}

impl Measure<'_> {
    fn of_text(&self, text: &Text, characters: bool) -> Option<Text> {
        if text.has_hole() {
            return Some(
                part(text, self.offset, self.length, characters)
                    .unwrap_or_else(|| hole_at(self.span)),
            );
        }
        let bounds = character_ends(text.bytes(), characters);
        let (start, end) = self.range(bounds.len() as i64 - 1)?;
        Some(text.slice(bounds[start], bounds[end]))
    }

    fn of_list(&self, items: Vec<Text>) -> Option<Vec<Text>> {
        if self.dialect.negative_list_length_is_error
            && self.length.is_some_and(|length| length < 0)
        {
            return None;
        }
        let (start, end) = self.range(items.len() as i64)?;
        Some(items[start..end].to_vec())
    }

    /// The elements from an index on; a negative offset counts back from behind the last index.
    /// `last`: the highest index of all.
    fn of_elements(&self, items: Vec<Text>, indexes: &[i64], last: i64) -> Option<Vec<Text>> {
        let behind = last + 1;
        let first = if self.offset < 0 { behind + self.offset } else { self.offset };
        if first < 0 {
            return Some(Vec::new());
        }
        let skipped = indexes.iter().take_while(|&&index| index < first).count();
        let rest = Measure { offset: skipped as i64, ..*self };
        rest.of_list(items)
    }

    /// The part of `count` things. `None` where the shell finds the length wrong.
    fn range(&self, count: i64) -> Option<(usize, usize)> {
        let mut start = match self.offset {
            offset if offset < 0 => count.saturating_add(offset),
            offset => offset,
        };
        if start < 0 && self.dialect.early_offset_is_start {
            start = 0;
        }
        if start < 0 || start > count {
            let refused = self.dialect.negative_length == NegativeLength::FromEndIfThere
                && self.length.is_some_and(|length| length < 0);
            return (!refused).then_some((0, 0));
        }
        let end = match (self.length, self.dialect.negative_length) {
            (Some(length), _) if length >= 0 => start.saturating_add(length).min(count),
            (None, _) | (_, NegativeLength::Rest) => count,
            (_, NegativeLength::Nothing) => start,
            (Some(length), NegativeLength::FromEnd | NegativeLength::FromEndIfThere) => {
                count.saturating_add(length)
            }
            (Some(length), NegativeLength::FromEndOrRest) => {
                Some(count.saturating_add(length)).filter(|end| *end >= start).unwrap_or(count)
            }
        };
        (end >= start).then_some((start as usize, end as usize))
    }
}
