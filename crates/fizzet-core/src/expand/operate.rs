//! What `${...}` does with a value.

use std::rc::Rc;

use crate::dialect::{Dialect, ListOperations, NegativeLength, Wait};
use crate::expand::change::{Replacement, before_each, cased, removed, replaced};
use crate::expand::parameter::{Held, index_text};
use crate::expand::pattern::Pattern;
use crate::expand::rejoined::is_bare_list;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::tilde_cut::hidden_brace;
use crate::expand::whole::{part_of_list, removed_from_list};
use crate::expand::{Tilde, arithmetic, ifs, joined, pattern_text_with, single};
use crate::lineage::{Hop, Rule};
use crate::state::{Value, element_name};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{
    Arithmetic, Instead, Operation, Parameter, ParameterName, Part, Replace, Subscript, Word,
};
use crate::text::{Standing, Text, character_ends};

impl Substitution<'_> {
    /// Carries out the operation; `None` when the word of the operation has been put into place.
    pub(super) fn operate(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        let held = self.admitted(parameter, held, place)?;
        if self.is_idle(parameter, &held) {
            return self.each(parameter, held, Text::clone).map(Some);
        }
        match &parameter.operation {
            Operation::Value
            | Operation::Bad
            | Operation::Unreadable { .. }
            | Operation::Filter(_) => Ok(Some(held)),
            Operation::Length => self.length(parameter, held).map(Some),
            Operation::Instead { what, colon, word } => {
                self.instead(parameter, held, (*what, *colon, word), place)
            }
            Operation::Remove { suffix, longest, pattern } => {
                let pattern = self.removed_pattern(pattern)?;
                if let Held::List { items, star } = &held
                    && self.lists() == ListOperations::WholeString
                {
                    let items = removed_from_list(items, &pattern, *suffix, *longest);
                    return Ok(Some(Held::List { items, star: *star }));
                }
                let cut = |text: &Text| removed(text, &pattern, *suffix, *longest);
                let cut = self.each(parameter, held, cut)?;
                Ok(Some(self.marked(parameter, cut, place)))
            }
            Operation::Replace { which, pattern, replacement } => self
                .replace(parameter, held, (*which, pattern, replacement.as_ref()), place)
                .map(Some),
            Operation::Case { change, all, pattern } => {
                let pattern = match pattern {
                    Some(word) => Some(self.pattern(word)?),
                    None => None,
                };
                let change = |text: &Text| cased(text, *change, *all, pattern.as_ref());
                self.each(parameter, held, change).map(Some)
            }
            Operation::Substring { offset, length } => {
                self.substring(parameter, held, offset, length.as_ref()).map(Some)
            }
            Operation::Name => self.name(parameter).map(Some),
            Operation::Names { separate } => self.names(parameter, !separate).map(Some),
            Operation::Keys => self.keys(parameter).map(Some),
            Operation::Indirect(then) => self.indirect(parameter, held, then, place),
            Operation::Transform(letter) => {
                self.transform(parameter, held, *letter, place).map(Some)
            }
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

    fn lists(&mut self) -> ListOperations {
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

    /// The pattern of `#`, `##`, `%` or `%%`.
    fn removed_pattern(&mut self, word: &Word) -> Result<Pattern, Stop> {
        if !self.cx.state().dialect.removal_is_group {
            return self.pattern(word);
        }
        let text = pattern_text_with(self.cx, word, Tilde::InOperation)?;
        let state = self.cx.state();
        Ok(Pattern::alternatives(&text, state.text_pattern_rules()))
    }

    fn pattern(&mut self, word: &Word) -> Result<Pattern, Stop> {
        let text = pattern_text_with(self.cx, word, Tilde::InOperation)?;
        let state = self.cx.state();
        Ok(Pattern::from_text(&text, state.text_pattern_rules()))
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
    fn each_in_turn(
        &mut self,
        parameter: &Parameter,
        held: Held,
        mut change: impl FnMut(&mut Self, &Text) -> Result<Text, Stop>,
    ) -> Result<Held, Stop> {
        Ok(match held {
            Held::Unset => {
                self.unset(parameter)?;
                Held::Unset
            }
            Held::One(text) if text.has_hole() => Held::One(text),
            Held::One(text) => Held::One(change(self, &text)?),
            Held::List { items, star } => {
                let changed = items.iter().map(|text| change(self, text));
                Held::List { items: changed.collect::<Result<_, _>>()?, star }
            }
        })
    }

    fn length(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        if matches!(held, Held::Unset) {
            self.unset(parameter)?;
        }
        if self.cx.state().dialect.array_length_minds_unset
            && let ParameterName::Variable(name) = &parameter.name
            && self.cx.state().variables.get(name).is_none()
            && self.cx.state().options.no_unset
        {
            let message = "the array is not set, and set -u is on";
            return Err(self.cx.state().mistake(message, parameter.span, 1));
        }
        let mut in_bytes = false;
        let held = match held {
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
            Held::One(text) => length(text.bytes(), characters),
            Held::List { items, .. } => items.len(),
        };
        Ok(Held::One(self.computed(parameter, count.to_string().as_bytes())))
    }

    /// A value that the expansion itself has made.
    pub(super) fn computed(&mut self, parameter: &Parameter, bytes: &[u8]) -> Text {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        self.cx.state().shell_text(bytes).passed_through(&hop, Standing::Quoted)
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
            Held::One(text) => !colon || !text.is_empty() || text.has_hole(),
            Held::List { items, star } if self.cx.state().dialect.array_is_list => {
                let separated = items.len() > 1 && !ifs(self.cx.state()).is_empty();
                let joined_empty = *star && !separated && items.iter().all(|item| item.is_empty());
                match (*star, colon) {
                    (true, true) => !joined_empty,
                    (_, false) => true,
                    (false, true) => !items.is_empty(),
                }
            }
            Held::List { items, .. }
                if colon && self.cx.state().dialect.first_parameter_decides =>
            {
                items.first().is_some_and(|first| !first.is_empty())
            }
            Held::List { items, star } => {
                let joined_empty = *star
                    && self.cx.state().dialect.joined_empty_is_none
                    && ifs(self.cx.state()).is_empty()
                    && items.iter().all(|item| item.is_empty());
                let always = self.cx.state().dialect.at_is_always_set;
                let all_empty = self.cx.state().dialect.all_empty_is_none
                    && items.iter().all(|item| item.is_empty());
                (!items.is_empty() || (always && !colon))
                    && (!colon
                        || (items.len() > 1 && !all_empty && !joined_empty)
                        || !items[0].is_empty())
            }
        };
        let use_word = has_value == (what == Instead::Alternative);
        if !use_word {
            if !place.quoted && self.cx.state().dialect.unused_tilde_hides_brace {
                self.left_over =
                    hidden_brace(word, place.assigned && !self.declares).map(<[Part]>::to_vec);
            }
            // `${x+word}` of an unset x is nothing, and no error under set -u.
            let nothing = what == Instead::Alternative;
            if let Held::List { items, star: false } = &held
                && nothing != self.cx.state().dialect.array_is_list
                && items.is_empty()
                && place.quoted
            {
                self.met_quoted_at(0);
            }
            return Ok(Some(if nothing { Held::One(Text::new()) } else { held }));
        }
        match what {
            Instead::Default | Instead::Alternative => {
                let literal = match place.expansion {
                    Standing::Quoted => Standing::Plain,
                    _ => Standing::Splittable,
                };
                let outer = place.quoted.then(|| self.empties());
                self.used_word(word, Place { literal, alone: false, ..place })?;
                if let Some(outer) = outer {
                    self.word_behind(outer);
                }
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
                let dialect = self.cx.state().dialect.clone();
                let status = dialect.unset_status;
                let error = ShellError::new(message, parameter.span, status, Reach::Shell);
                Err(Stop::Shell(ShellError { exits: dialect.unset_message_exits, ..error }))
            }
        }
    }

    /// The word of `${x-word}` or `${x+word}` in the place of the parameter.
    fn used_word(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let dialect = &self.cx.state().dialect;
        let tilde = match () {
            () if place.assigned && dialect.tilde_in_assigned_words => Tilde::AfterColons,
            () if dialect.tilde_after_equals => Tilde::AfterEquals,
            () => Tilde::AtStart,
        };
        let in_fields = dialect.tilde_in_fields && !place.quoted;
        let (fields, start) = (self.fields_done(), self.current_len());
        if self.is_rejoined(word, place) {
            return self.rejoined(word, Place { tilde, ..place });
        }
        let lists = self.cx.state().dialect.array_is_list && !place.fields && !place.quoted;
        if lists && word.parts.iter().any(is_bare_list) {
            let text = self.joined_fields(word, place)?;
            return self.push_text(&text);
        }
        let joins = place.quoted || !ifs(self.cx.state()).is_empty();
        self.with_joined_stars(Some(joins), |this| this.word(word, Place { tilde, ..place }))?;
        if in_fields && self.fields_done() == fields {
            let whole = self.take_current();
            let made = whole.slice(start, whole.len());
            self.put_current(whole.slice(0, start))?;
            let made = crate::expand::tilde::in_field(self.cx, made, word.span, tilde)?;
            self.push_text(&made)?;
        }
        Ok(())
    }

    fn assign(&mut self, parameter: &Parameter, word: &Word, place: Place) -> Result<Held, Stop> {
        let ParameterName::Variable(name) = &parameter.name else {
            let status = self.cx.state().dialect.bad_substitution_status;
            let message = "only a variable can be assigned";
            return Err(self.cx.state().mistake(message, parameter.span, status));
        };
        let inner = Place { fields: false, tilde: Tilde::AtStart, joins_stars: true, ..place };
        let value = match self.cx.state().dialect.array_is_list {
            true => self.joined_fields(word, place)?,
            false => joined(Substitution::run(self.cx, word, inner)?),
        };
        let hop = |rule| Hop { rule, span: parameter.span, name: Some(name.clone()), shifted: 0 };
        let stored = value.passed_through(&hop(Rule::Stored), Standing::Quoted);
        let expanded = stored.passed_through(&hop(Rule::Parameter), Standing::Quoted);
        let key = match &parameter.index {
            Some(Subscript::Index(index)) => Some(self.key(name, index)?),
            _ => None,
        };
        self.cx.state().store(name, key.clone(), stored, parameter.span)?;
        if self.cx.state().dialect.default_gives_stored {
            let variables = &self.cx.state().variables;
            let kept = match &key {
                Some(key) => variables.element(name, key),
                None => variables.scalar(name),
            };
            if let Some(kept) = kept {
                return Ok(Held::One(kept.passed_through(&hop(Rule::Parameter), Standing::Quoted)));
            }
        }
        self.begins_anew(place);
        Ok(Held::One(expanded))
    }

    /// The fields of a word joined again: what is empty in between is lost.
    fn joined_fields(&mut self, word: &Word, place: Place) -> Result<Text, Stop> {
        let inside = Place { fields: !place.quoted, tilde: Tilde::Never, ..place };
        let pieces = Substitution::run(self.cx, word, inside)?;
        let kept = pieces.into_iter().map(|piece| piece.text).filter(|text| !text.is_nothing());
        let text = self.joined_list(&kept.collect::<Vec<_>>(), word.span);
        crate::expand::tilde::in_field(self.cx, text, word.span, Tilde::AtStart)
    }

    fn replace(
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
            false => Some(Rc::new(self.replacement(replacement, place)?)),
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
                None => this.replacement(replacement, place).map(Rc::new),
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
    fn replacement(&mut self, word: Option<&Word>, place: Place) -> Result<Replacement, Stop> {
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
                    true => crate::expand::tilde::in_field(self.cx, text, word.span, tilde)?,
                    false => text,
                }
            }
            None => Text::new(),
        };
        let ampersand = dialect.replacement_ampersand && !self.cx.state().options.no_ampersand;
        Ok(Replacement::new(&text, ampersand, dialect.replacement_backslashes))
    }

    /// Whether `${x[@]:1:2}` is a part of the text that x is.
    fn is_cut_as_text(&mut self, parameter: &Parameter) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let state = self.cx.state();
        state.dialect.lists_of_texts_are_cut
            && matches!(state.variables.get(name), Some(one) if matches!(one.value, Value::Scalar(_)))
    }

    fn substring(
        &mut self,
        parameter: &Parameter,
        held: Held,
        offset: &Arithmetic,
        length: Option<&Arithmetic>,
    ) -> Result<Held, Stop> {
        let offset = arithmetic::value(self.cx, offset)?;
        let length = match length {
            Some(length) => Some(arithmetic::value(self.cx, length)?),
            None => None,
        };
        let state = self.cx.state();
        let dialect = state.dialect.clone();
        let characters = dialect.characters && state.utf8();
        let measure = Measure { offset, length, dialect: &dialect };
        let held = match held {
            Held::List { mut items, .. } if self.is_cut_as_text(parameter) => {
                items.pop().map_or(Held::Unset, Held::One)
            }
            held => held,
        };
        let part = match held {
            Held::Unset => {
                self.unset(parameter)?;
                Some(Held::Unset)
            }
            Held::One(text) => measure.of_text(&text, characters).map(Held::One),
            Held::List { items, star } if self.lists() == ListOperations::WholeString => {
                let cut = |text: &Text| measure.of_text(text, characters).unwrap_or_default();
                Some(Held::List { items: part_of_list(&items, parameter.span, cut), star })
            }
            Held::List { items, star } => {
                let all = match parameter.name {
                    ParameterName::Special(_) => self.with_zero(parameter, items),
                    _ => items,
                };
                measure.of_list(all).map(|items| Held::List { items, star })
            }
        };
        part.ok_or_else(|| {
            let message = "the length of a substring is less than 0";
            self.cx.state().mistake(message, parameter.span, dialect.bad_substitution_status)
        })
    }

    /// The positional parameters with `$0` before them: offset 0 means `$0`, offset 1 means `$1`.
    fn with_zero(&mut self, parameter: &Parameter, mut items: Vec<Text>) -> Vec<Text> {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        let zero = &self.cx.state().positional.zero;
        items.insert(0, zero.passed_through(&hop, Standing::Quoted));
        items
    }

    fn names(&mut self, parameter: &Parameter, star: bool) -> Result<Held, Stop> {
        let prefix = parameter.name.to_bytes();
        self.cx.state().freshen_like(&prefix);
        let names: Vec<Vec<u8>> = self
            .cx
            .state()
            .variables
            .names()
            .into_iter()
            .filter(|name| name.starts_with(&prefix))
            .map(<[u8]>::to_vec)
            .collect();
        let items = names.iter().map(|name| self.computed(parameter, name)).collect();
        Ok(Held::List { items, star })
    }

    /// `${!x}` where it is the name of x, or of the variable that x refers to.
    fn name(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let ParameterName::Variable(name) = &parameter.name else {
            return Ok(Held::One(self.computed(parameter, b"")));
        };
        let meant = self.cx.state().variables.meant(name).unwrap_or(name.clone());
        Ok(Held::One(self.computed(parameter, &meant)))
    }

    fn keys(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        let name = parameter.name.to_bytes();
        let keys = self.cx.state().variables.keys(&name);
        let star = matches!(parameter.index, Some(Subscript::Star));
        let items = keys.iter().map(|key| self.computed(parameter, key)).collect();
        Ok(Held::List { items, star })
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
            return self.name(parameter).map(Some);
        }
        let status = self.cx.state().dialect.bad_substitution_status;
        let span = parameter.span;
        let Held::One(text) = held else {
            let message = "the name for ${!...} is not set";
            return Err(self.cx.state().mistake(message, span, status));
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
            name if crate::syntax::is_name(name) => ParameterName::Variable(name.into()),
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

/// The length of a value in characters or in bytes.
fn length(bytes: &[u8], characters: bool) -> usize {
    if characters { character_ends(bytes, true).len() - 1 } else { bytes.len() }
}

/// An offset and a length; a negative offset counts from the end.
struct Measure<'d> {
    offset: i64,
    length: Option<i64>,
    dialect: &'d Dialect,
}

impl Measure<'_> {
    fn of_text(&self, text: &Text, characters: bool) -> Option<Text> {
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
            return Some((0, 0));
        }
        let end = match (self.length, self.dialect.negative_length) {
            (Some(length), _) if length >= 0 => start.saturating_add(length).min(count),
            (None, _) | (_, NegativeLength::Rest) => count,
            (_, NegativeLength::Nothing) => start,
            (Some(length), NegativeLength::FromEnd) => count.saturating_add(length),
            (Some(length), NegativeLength::FromEndOrRest) => {
                Some(count.saturating_add(length)).filter(|end| *end >= start).unwrap_or(count)
            }
        };
        (end >= start).then_some((start as usize, end as usize))
    }
}
