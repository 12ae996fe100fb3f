//! What `${...}` does with a value.

use unicode_width::UnicodeWidthChar;

use crate::dialect::{LengthMinds, ListOperations, References, RemovalGroups, ValuesBehind, Wait};
use crate::expand::change::{cased, removed_range};
use crate::expand::half_known::{HalfKnown, hole_at, in_pieces, removed};
use crate::expand::parameter::{Held, index_text};
use crate::expand::pattern::{Pattern, PatternRules};
use crate::expand::places::keep_match;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::trimmed::{Removal, trimmed};
use crate::expand::{Tilde, pattern_text_with};
use crate::lineage::{Hop, Origin, Rule};
use crate::state::{Keeps, Key, Value, Variable, element_name, shown_name};
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, Operation, Parameter, ParameterName, Part, Subscript, Word};
use crate::syntax::{OPEN_BRACKET, has_open_bracket};
use crate::text::{Standing, Text, character_count};

/// How often going through an array may lead back: more than a few times it never ends.
const MOST_RETURNS: u64 = 16;

impl Substitution<'_> {
    /// Carries out the operation; `None` when the word of the operation has been put into place.
    pub(super) fn operate(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let mut held = self.admitted(parameter, held, place)?;
        if !matches!(parameter.operation, Operation::Value | Operation::Instead { .. }) {
            held.forget_names();
        }
        if matches!(held, Held::List { .. }) {
            self.cx.state().array_place = None;
        }
        if let Operation::Remove { pattern, .. } = &parameter.operation
            && matches!(held, Held::Unset)
            && self.cx.state().dialect.open_bracket_ends_shell
            && has_open_bracket(pattern)
        {
            return Err(Stop::shell(OPEN_BRACKET, parameter.span, 1));
        }
        let changes =
            matches!(parameter.operation, Operation::Remove { .. } | Operation::Replace { .. });
        if changes && self.cx.state().dialect.changes_mind_unset_arrays {
            let nothing = matches!(&held, Held::List { items, .. } if items.is_empty());
            if nothing
                && let ParameterName::Variable(name) = &parameter.name
                && self.cx.state().variables.get(name).is_none()
            {
                self.unset(parameter)?;
            }
        }
        if self.is_idle(parameter, &held) {
            return self.unchanged(parameter, held).map(Some);
        }
        match &parameter.operation {
            Operation::Value
            | Operation::Bad
            | Operation::Unreadable { .. }
            | Operation::Rest(_)
            | Operation::Filter(_)
            | Operation::Combine { .. } => Ok(Some(held)),
            Operation::Length => {
                let length = self.length(parameter, held)?;
                self.reset_place(parameter);
                Ok(Some(length))
            }
            Operation::Width => self.width(parameter, held).map(Some),
            Operation::Instead { what, colon, word } => {
                self.instead(parameter, held, (*what, *colon, word), place)
            }
            Operation::Remove { suffix, longest, pattern } => {
                if !matches!(held, Held::Unset) {
                    self.keep_field(pattern, place)?;
                }
                let before = self.held_before(parameter, pattern.may_change())?;
                let text = self.removed_text(pattern, *longest)?;
                let held = self.held_behind(parameter, held, before)?;
                let state = self.cx.state();
                let rules = state.operation_pattern_rules();
                if let Held::List { items, star } = &held
                    && state.dialect.list_operations == ListOperations::WholeString
                {
                    let removal = Removal {
                        suffix: *suffix,
                        longest: *longest,
                        quoted: place.quoted,
                        marked: state.dialect.marked_characters,
                        escaped: state.dialect.marks_before_patterns,
                        hastens: state.dialect.longest_prefix_hastens,
                    };
                    let items = trimmed(items, (&text, rules), &state.sources, removal);
                    return Ok(Some(Held::List { items, star: *star }));
                }
                let pattern = match state.dialect.removal_groups {
                    RemovalGroups::Always if state.option_is_on(b"sh") != Some(true) => {
                        Pattern::alternatives(&text, rules)
                    }
                    RemovalGroups::OfSuffixes if *suffix => {
                        Pattern::from_text(&text, PatternRules { bare_groups: true, ..rules })
                    }
                    _ => Pattern::from_text(&text, rules),
                };
                let span = parameter.span;
                let half =
                    HalfKnown::Removal { pattern: &pattern, suffix: *suffix, longest: *longest };
                let cut = self.each_half_known(parameter, held, half, |this, text| {
                    let found = removed_range(text.bytes(), &pattern, *suffix, *longest);
                    let Some(found) = found else { return Ok(text.clone()) };
                    keep_match(this.cx.state(), &pattern, text, found, span)?;
                    let mut rest = text.slice(0, found.0);
                    match found.0 {
                        0 => rest = text.slice(found.1, text.len()),
                        _ => rest.push_part(text, found.1, text.len()),
                    }
                    Ok(rest)
                })?;
                // The shortest match of nothing is none.
                let finds_nothing = text.is_empty() && !*longest;
                Ok(Some(if finds_nothing { cut } else { self.marked(parameter, cut, place) }))
            }
            Operation::Replace { which, pattern, replacement } => {
                self.replace(parameter, held, (*which, pattern, replacement.as_ref()), place)
            }
            Operation::Case { change, all, pattern } => {
                let pattern = match pattern {
                    Some(word) => Some(self.cased_pattern(word)?),
                    None => None,
                };
                let half = if *all { HalfKnown::Pieces } else { HalfKnown::Nothing };
                self.each_half_known(parameter, held, half, |_, text| {
                    Ok(cased(text, *change, *all, pattern.as_ref()))
                })
                .map(Some)
            }
            Operation::Substring { offset, length } => {
                let part = self.substring(parameter, held, (offset, length.as_ref()), place)?;
                self.reset_place(parameter);
                Ok(Some(part))
            }
            Operation::Name(then) => {
                if matches!(held, Held::Unset) && self.minds_unset_name(parameter) {
                    self.unset(parameter)?;
                }
                let held = match &parameter.index {
                    Some(Subscript::Index(_)) => held,
                    _ => self.name(parameter)?,
                };
                if !matches!(parameter.name, ParameterName::Variable(_)) {
                    return Ok(Some(held));
                }
                let then = Parameter { operation: (**then).clone(), ..parameter.clone() };
                self.operate(&then, held, place)
            }
            Operation::Names { separate } => {
                let held = self.names(parameter, !separate)?;
                Ok(Some(self.keys_joined(parameter, held, b"", place)))
            }
            Operation::Keys => {
                let held = self.keys(parameter)?;
                Ok(Some(self.keys_joined(parameter, held, b" ", place)))
            }
            Operation::Indirect(then) => self.indirect(parameter, held, then, place),
            Operation::Transform(letter) => {
                self.transform(parameter, held, *letter, place).map(Some)
            }
        }
    }

    /// What a parameter itself holds before the operands of an operation on it are expanded, where the shell reads
    /// its value behind them and they may change it.
    pub(super) fn held_before(
        &mut self,
        parameter: &Parameter,
        may_change: bool,
    ) -> Result<Option<Held>, Stop> {
        let rule = self.cx.state().dialect.values_behind_operands;
        let ParameterName::Variable(name) = &parameter.name else { return Ok(None) };
        if !may_change || rule == ValuesBehind::None || !parameter.has_fixed_index() {
            return Ok(None);
        }
        let variable = self.cx.state().variables.get(name);
        let is_number = variable.is_some_and(|one| one.keeps != Keeps::Text);
        let held = self.held(parameter)?;
        let counts = match (rule, &held) {
            (_, Held::List { .. }) | (ValuesBehind::None, _) => false,
            (ValuesBehind::Texts, Held::Unset) => false,
            (ValuesBehind::Texts, Held::One(text)) => !text.is_empty() && !is_number,
            (ValuesBehind::All, _) => true,
            (ValuesBehind::Lost, _) => !is_number,
        };
        Ok(counts.then_some(held))
    }

    /// What an operation works on once its operands have been expanded: `held`, unless the parameter holds
    /// something else than `before`.
    pub(super) fn held_behind(
        &mut self,
        parameter: &Parameter,
        held: Held,
        before: Option<Held>,
    ) -> Result<Held, Stop> {
        let Some(before) = before else { return Ok(held) };
        let now = self.held(parameter)?;
        let is_lost = self.cx.state().dialect.values_behind_operands == ValuesBehind::Lost;
        match (&before, &now) {
            (Held::One(before), Held::One(now)) if before.bytes() == now.bytes() => Ok(held),
            (Held::One(_), Held::One(_)) if is_lost => {
                self.cx.missing("what is left of a value that was replaced", parameter.span);
                Ok(Held::One(Text::hole(&Origin::new(Rule::Shell, parameter.span))))
            }
            _ if is_lost => Ok(held),
            _ => Ok(now),
        }
    }

    /// Whether the operation has nothing to work on, so that its word is never expanded.
    fn is_idle(&mut self, parameter: &Parameter, held: &Held) -> bool {
        let rules = self.cx.state().dialect.operands_wait;
        let wait = match parameter.operation {
            Operation::Remove { .. } => rules.removal,
            Operation::Replace { .. } | Operation::Case { .. } => rules.replacement,
            Operation::Substring { .. } => rules.substring,
            _ => Wait::Never,
        };
        match held {
            Held::Unset => wait != Wait::Never,
            Held::One(text) => wait == Wait::Text && text.is_empty() && !text.has_hole(),
            Held::List { items, .. } => match wait {
                Wait::Never | Wait::Set => false,
                Wait::Elements => items.is_empty(),
                // A lone empty parameter counts as none, a lone empty element does not.
                Wait::Text => match &items[..] {
                    [] => true,
                    [one] => parameter.index.is_none() && one.is_empty() && !one.has_hole(),
                    _ => false,
                },
            },
        }
    }

    pub(super) fn lists(&mut self) -> ListOperations {
        self.cx.state().dialect.list_operations
    }

    /// What an operation gets to see of a list.
    fn admitted(&mut self, parameter: &Parameter, held: Held, place: Place) -> Result<Held, Stop> {
        use Operation::{Case, Remove, Replace, Substring, Transform};
        let changes = matches!(
            parameter.operation,
            Remove { .. } | Replace { .. } | Substring { .. } | Case { .. } | Transform(_)
        );
        if !changes || !matches!(held, Held::List { .. }) {
            return Ok(held);
        }
        let joins = place.quoted
            && !matches!(parameter.operation, Substring { .. })
            && self.cx.state().dialect.star_joins_first
            && matches!(held, Held::List { star: true, .. });
        match self.lists() {
            ListOperations::Each if joins => Ok(self.as_whole(held, parameter.span, place)),
            ListOperations::Each => Ok(held),
            ListOperations::WholeString => Ok(self.as_whole(held, parameter.span, place)),
            ListOperations::Refused => {
                let status = self.cx.state().dialect.bad_substitution_status;
                let message = "a list cannot be changed in this way here";
                Err(self.cx.state().mistake(message, parameter.span, status))
            }
        }
    }

    /// The text of the pattern of `#` or `%`, or of `##` or `%%`, which take the `longest` match.
    fn removed_text(&mut self, word: &Word, longest: bool) -> Result<Text, Stop> {
        let has_tilde = self.cx.state().dialect.tilde_in_longest || !longest;
        let tilde = if has_tilde { Tilde::InOperation } else { Tilde::Never };
        pattern_text_with(self.cx, word, tilde)
    }

    /// The pattern of characters whose case changes: groups count in it whatever the options say (observed in bash
    /// 5.2: `x=ab; echo ${x^^@(a)}`).
    fn cased_pattern(&mut self, word: &Word) -> Result<Pattern, Stop> {
        let text = pattern_text_with(self.cx, word, Tilde::InOperation)?;
        let rules = self.cx.state().operation_pattern_rules();
        Ok(Pattern::from_text(&text, PatternRules { groups: true, ..rules }))
    }

    /// A value as it is; an unset parameter stays unset.
    pub(super) fn unchanged(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        self.each_half_known(parameter, held, HalfKnown::Same, |_, text| Ok(text.clone()))
    }

    /// Applies a change to a value, or to each value of a list; an unset parameter stays unset.
    pub(super) fn each(
        &mut self,
        parameter: &Parameter,
        held: Held,
        change: impl Fn(&Text) -> Text,
    ) -> Result<Held, Stop> {
        self.each_in_turn(parameter, held, |_, text| Ok(change(text)))
    }

    /// The same, where a change can expand something.
    pub(super) fn each_in_turn(
        &mut self,
        parameter: &Parameter,
        held: Held,
        change: impl FnMut(&mut Self, &Text) -> Result<Text, Stop>,
    ) -> Result<Held, Stop> {
        self.each_half_known(parameter, held, HalfKnown::Nothing, change)
    }

    /// The same, where something can be said of values that are not known as a whole.
    pub(super) fn each_half_known(
        &mut self,
        parameter: &Parameter,
        held: Held,
        half: HalfKnown<'_>,
        mut change: impl FnMut(&mut Self, &Text) -> Result<Text, Stop>,
    ) -> Result<Held, Stop> {
        Ok(match held {
            Held::Unset => {
                self.unset(parameter)?;
                Held::Unset
            }
            Held::One(text) => Held::One(self.changed(parameter, &text, half, &mut change)?),
            Held::List { items, star } => {
                let mut changed = Vec::with_capacity(items.len());
                let (mut at, mut returns) = (0, 0);
                while let Some(text) = items.get(at) {
                    changed.push(self.changed(parameter, text, half, &mut change)?);
                    let next = self.place_behind(parameter, items.len()).unwrap_or(at + 1);
                    returns += u64::from(next <= at);
                    if returns > MOST_RETURNS {
                        let what = "ways back in an array that the shell goes through";
                        return Err(Stop::Limit {
                            what,
                            limit: MOST_RETURNS,
                            span: parameter.span,
                        });
                    }
                    at = next;
                }
                Held::List { items: changed, star }
            }
        })
    }

    /// A value that a change is applied to. Of one that is not known as a whole only what holds whatever it is stays.
    fn changed(
        &mut self,
        parameter: &Parameter,
        text: &Text,
        half: HalfKnown<'_>,
        change: &mut impl FnMut(&mut Self, &Text) -> Result<Text, Stop>,
    ) -> Result<Text, Stop> {
        if !text.has_hole() {
            return change(self, text);
        }
        let certain = match half {
            HalfKnown::Nothing => None,
            HalfKnown::Same => Some(text.clone()),
            HalfKnown::Pieces => {
                return in_pieces(text, parameter.span, |piece| change(self, piece));
            }
            HalfKnown::Removal { pattern, suffix, longest } => {
                removed(text, pattern, suffix, longest)
            }
        };
        Ok(certain.unwrap_or_else(|| hole_at(parameter.span)))
    }

    /// Where going through an array goes on, if an element of it was looked up in between: behind that.
    pub(super) fn place_behind(&mut self, parameter: &Parameter, count: usize) -> Option<usize> {
        let state = self.cx.state();
        let (name, place) = state.array_place.take()?;
        let is_same = matches!(&parameter.name, ParameterName::Variable(other) if *other == name);
        let dense = matches!(state.variables.get(&name).map(|variable| &variable.value),
            Some(Value::Indexed(elements)) if elements.len() == count
                && elements.last_key_value().is_some_and(|(&last, _)| last + 1 == count as i64));
        (is_same && dense).then(|| usize::try_from(place + 1).unwrap_or(0))
    }

    /// Counting or cutting the elements of an array leaves its place before the first.
    fn reset_place(&mut self, parameter: &Parameter) {
        let is_list = matches!(parameter.index, Some(Subscript::At | Subscript::Star));
        let ParameterName::Variable(name) = &parameter.name else { return };
        let state = self.cx.state();
        if is_list && state.dialect.arrays_have_one_place {
            state.array_place = Some((name.clone(), -1));
        }
    }

    /// Refuses the length of what is not set, under `set -u`.
    fn check_length(&mut self, parameter: &Parameter, held: &Held) -> Result<(), Stop> {
        let state = self.cx.state();
        let (is_unset, has_index) = (matches!(held, Held::Unset), parameter.index.is_some());
        let ParameterName::Variable(name) = &parameter.name else {
            return if is_unset { self.unset(parameter) } else { Ok(()) };
        };
        let variable = state.variables.get(name);
        let is_array = variable.is_some() && state.variables.is_array(name);
        let has_nothing =
            variable.is_none_or(|one| matches!(one.value, Value::Nothing) || one.bare);
        let minds = match state.dialect.array_length_minds {
            LengthMinds::Nothing => false,
            LengthMinds::Unset => has_nothing && !is_unset,
            LengthMinds::OtherThanArrays => has_index && (has_nothing || !is_array),
        };
        if minds {
            let message = "the array is not set, and set -u is on";
            return Err(state.mistake(message, parameter.span, 1));
        }
        let passes = state.dialect.missing_element_has_length && has_index && is_array;
        match is_unset && !passes {
            true => self.unset(parameter),
            false => Ok(()),
        }
    }

    fn length(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        let state = self.cx.state();
        if let ParameterName::Variable(name) = &parameter.name
            && state.dialect.references == References::Loose
            && state.variables.meant(name).is_some_and(|meant| element_name(&meant).is_some())
        {
            // bash looks for a variable of that name, brackets and all.
            return Ok(Held::One(self.computed(parameter, b"0")));
        }
        if self.cx.state().options.no_unset {
            self.check_length(parameter, &held)?;
        }
        let mut in_bytes = false;
        let held = match held {
            Held::One(text) if text.has_hole() => return Ok(Held::One(hole_at(parameter.span))),
            Held::List { items, .. } if self.lists() == ListOperations::WholeString => {
                in_bytes = self.cx.state().dialect.lengths_of_lists_in_bytes;
                Held::One(self.joined_list(&items, parameter.span))
            }
            held => held,
        };
        let state = self.cx.state();
        let characters = state.dialect.lengths_in_characters && state.utf8() && !in_bytes;
        let count = match &held {
            Held::Unset => 0,
            Held::One(text) => character_count(text.bytes(), characters),
            Held::List { items, .. } => items.len() + self.hidden_count(parameter),
        };
        Ok(Held::One(self.computed(parameter, count.to_string().as_bytes())))
    }

    /// How many elements count without being in the list.
    fn hidden_count(&mut self, parameter: &Parameter) -> usize {
        let ParameterName::Variable(name) = &parameter.name else { return 0 };
        let state = self.cx.state();
        let variable = state.variables.get(name).filter(|_| state.dialect.reading_makes_elements);
        variable.map_or(0, Variable::hidden_count)
    }

    /// `${%x}`: the columns that a value takes, or -1 where it holds a control character.
    fn width(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        if matches!(held, Held::Unset) {
            self.unset(parameter)?;
        }
        let Held::One(text) = held else {
            return Ok(Held::One(self.computed(parameter, b"0")));
        };
        if text.has_hole() {
            return Ok(Held::One(hole_at(parameter.span)));
        }
        let columns = columns(text.bytes(), self.cx.state().utf8());
        Ok(Held::One(self.computed(parameter, columns.to_string().as_bytes())))
    }

    /// A value that the expansion itself has made.
    pub(super) fn computed(&mut self, parameter: &Parameter, bytes: &[u8]) -> Text {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        self.cx.state().shell_text(bytes).passed_through(&hop, Standing::Quoted)
    }

    fn names(&mut self, parameter: &Parameter, star: bool) -> Result<Held, Stop> {
        let prefix = parameter.name.to_bytes();
        self.cx.state().freshen_like(&prefix);
        let names: Vec<Vec<u8>> = self
            .cx
            .state()
            .variables
            .paths()
            .into_iter()
            .filter(|name| name.starts_with(&prefix))
            .collect();
        let items = names.iter().map(|name| self.computed(parameter, name)).collect();
        Ok(Held::List { items, star })
    }

    /// Whether the name of a variable that is not set may not be told under `set -u`.
    fn minds_unset_name(&mut self, parameter: &Parameter) -> bool {
        let state = self.cx.state();
        let refers = match &parameter.name {
            ParameterName::Variable(name) => state.variables.is_name(name),
            _ => false,
        };
        state.dialect.unset_has_no_name && !refers
    }

    /// `${!x}` where it is the name of x, or of the variable that x refers to.
    fn name(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let name = match &parameter.name {
            ParameterName::Variable(name) => name,
            ParameterName::Special(b'@') => {
                let state = self.cx.state();
                let status = state.dialect.bad_substitution_status;
                return Err(state.mistake("a list has no name", parameter.span, status));
            }
            ParameterName::Positional(_) | ParameterName::Special(b'*') => {
                return Ok(Held::One(self.computed(parameter, &parameter.name.to_bytes())));
            }
            _ => return Ok(Held::One(self.computed(parameter, b""))),
        };
        let state = self.cx.state();
        let variables = &state.variables;
        let meant = variables.meant(name).unwrap_or_else(|| variables.keeper(name));
        let told = match element_name(&meant) {
            Some((array, _)) if state.dialect.references == References::Given => array.into(),
            _ => meant,
        };
        Ok(Held::One(self.computed(parameter, shown_name(&told))))
    }

    /// `${!x[index]}`: the name of the element, with the index as a number or the text of the key.
    pub(super) fn element_name(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let Some(Subscript::Index(index)) = &parameter.index else { return Ok(Held::Unset) };
        let written = parameter.name.to_bytes();
        let state = self.cx.state();
        let meant = state.variables.meant(&written).unwrap_or(written);
        if element_name(&meant).is_some() {
            return Ok(Held::One(self.computed(parameter, &meant)));
        }
        if let Some(keys) = self.keys_between(&meant, index)? {
            let items = keys.iter().map(|key| self.computed(parameter, key)).collect();
            return Ok(Held::List { items, star: false });
        }
        let key = match self.key(&meant, index)? {
            Key::Number(0)
                if self.cx.state().dialect.first_element_is_the_name
                    && self.cx.state().variables.get(&meant).is_some()
                    && !self.cx.state().variables.is_array(&meant) =>
            {
                return Ok(Held::One(self.computed(parameter, &meant)));
            }
            Key::Number(number) => number.to_string().into_bytes(),
            Key::Text(key) => key.bytes().to_vec(),
        };
        let told = [&meant, &b"["[..], &key, b"]"].concat();
        Ok(Held::One(self.computed(parameter, &told)))
    }

    fn keys(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let name = parameter.name.to_bytes();
        let keys = self.cx.state().variables.keys(&name);
        let star = matches!(parameter.index, Some(Subscript::Star));
        let items = keys.iter().map(|key| self.computed(parameter, key)).collect();
        Ok(Held::List { items, star })
    }

    /// The element that a reference means, or the array: what is done with `${!x}` is done with their values, and
    /// not with the name as for others (observed in bash 5.2).
    fn list_named(
        &mut self,
        parameter: &Parameter,
        name: &[u8],
        then: &Operation,
    ) -> Result<Option<Parameter>, Stop> {
        if self.cx.state().variables.is_array(name) {
            let name = ParameterName::Variable(name.into());
            return Ok(Some(Parameter { name, ..parameter.clone() }));
        }
        self.element_meant(parameter, name, then)
    }

    /// `${!x...}`: the value of x names the parameter that is expanded.
    fn indirect(
        &mut self,
        parameter: &Parameter,
        held: Held,
        then: &Operation,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        if let ParameterName::Variable(name) = &parameter.name
            && self.cx.state().variables.is_name(name)
            && parameter.index.is_none()
        {
            let held = self.name(parameter)?;
            let plain = Parameter { operation: then.clone(), ..parameter.clone() };
            if let Held::One(name) = &held
                && !matches!(then, Operation::Value | Operation::Instead { .. })
                && let Some(named) = self.list_named(&plain, name.bytes(), then)?
            {
                let held = self.held(&named)?;
                return self.operate(&named, held, place);
            }
            return self.operate(&plain, held, place);
        }
        let status = self.cx.state().dialect.bad_substitution_status;
        let span = parameter.span;
        let numbered = !matches!(parameter.name, ParameterName::Variable(_));
        let none = match &held {
            Held::Unset => true,
            Held::List { items, .. } => items.is_empty(),
            Held::One(_) => false,
        };
        // A variable that has been declared, or has other elements, names nothing that is set.
        let is_whole_list = matches!(parameter.index, Some(Subscript::At | Subscript::Star));
        let is_known =
            !is_whole_list && self.cx.state().variables.get(&parameter.name.to_bytes()).is_some();
        if none && (numbered || is_known) {
            let then = Parameter { operation: then.clone(), ..parameter.clone() };
            return self.operate(&then, held, place);
        }
        let text = match held {
            Held::One(text) => text,
            Held::List { mut items, .. } if items.len() == 1 => items.remove(0),
            Held::List { .. } => {
                let message = "the value for ${!...} is more than one name";
                return Err(self.cx.state().mistake(message, span, status));
            }
            Held::Unset => {
                let message = "the name for ${!...} is not set";
                return Err(self.cx.state().mistake(message, span, status));
            }
        };
        if let Some(named) = self.element_meant(parameter, text.bytes(), then)? {
            let held = self.held(&named)?;
            return self.operate(&named, held, place);
        }
        let name = match text.bytes() {
            [sign @ (b'@' | b'*' | b'#' | b'?' | b'-' | b'$' | b'!')] => {
                ParameterName::Special(*sign)
            }
            digits if !digits.is_empty() && digits.iter().all(u8::is_ascii_digit) => {
                let digits = String::from_utf8_lossy(digits);
                ParameterName::Positional(digits.parse().unwrap_or(usize::MAX))
            }
            name if self.cx.state().dialect.is_name(name) => ParameterName::Variable(name.into()),
            _ => {
                let message = "the value for ${!...} is no name";
                return Err(self.cx.state().mistake(message, span, status));
            }
        };
        let named = Parameter { name, index: None, operation: then.clone(), ..parameter.clone() };
        let held = self.held(&named)?;
        self.operate(&named, held, place)
    }

    /// The element that `${!x}` means where the value of x is `name[index]`.
    pub(super) fn element_meant(
        &mut self,
        parameter: &Parameter,
        value: &[u8],
        then: &Operation,
    ) -> Result<Option<Parameter>, Stop> {
        let Some((name, index)) = element_name(value) else { return Ok(None) };
        let index = match index {
            b"@" => Subscript::At,
            b"*" => Subscript::Star,
            index if self.cx.state().dialect.index_texts_expand && index.contains(&b'$') => {
                let text = index_text(self.cx, index, false)?;
                let part = Part::Single { bytes: text.bytes().into(), span: parameter.span };
                let word = Word::new(vec![part], parameter.span);
                Subscript::Index(Arithmetic { word, cached: Default::default() })
            }
            index => {
                let part = Part::Single { bytes: index.into(), span: parameter.span };
                let word = Word::new(vec![part], parameter.span);
                Subscript::Index(Arithmetic { word, cached: Default::default() })
            }
        };
        let name = ParameterName::Variable(name.into());
        let operation = then.clone();
        Ok(Some(Parameter { name, index: Some(index), operation, ..parameter.clone() }))
    }
}

/// The columns that a text takes on a terminal; a byte that belongs to no character of the first plane takes one
/// (observed in mksh R59).
fn columns(bytes: &[u8], utf8: bool) -> i64 {
    let width = |character: char| match utf8 || character.is_ascii() {
        true if character.is_control() => None,
        true if u32::from(character) <= 0xffff => character.width(),
        _ => Some(character.len_utf8()),
    };
    let widths = bytes.utf8_chunks().map(|chunk| {
        let valid = chunk.valid().chars().map(width).sum::<Option<usize>>();
        valid.map(|columns| columns + chunk.invalid().len())
    });
    widths.sum::<Option<usize>>().map_or(-1, |columns| columns as i64)
}
