//! Parameter expansion (POSIX XCU 2.6.2): finding the value.

use std::rc::Rc;

use crate::dialect::{IndexQuotes, LastArgument};
use crate::expand::disciplines;
use crate::expand::substitute::{Break, Place, Substitution};
use crate::expand::told_tables::freshen;
use crate::expand::{Context, Tilde, arithmetic, single};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{BEFORE_START, Key, Value, Variable, is_made_by_reading};
use crate::stop::{Reach, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{
    Arithmetic, Instead, Operation, Parameter, ParameterName, PathName, Subscript,
};
use crate::text::{HoleName, Passage, Standing, Text};

/// What a parameter holds.
pub(crate) enum Held {
    /// It is not set.
    Unset,
    /// One value.
    One(Text),
    /// `$@`, `$*` and whole arrays.
    List {
        /// The values.
        items: Vec<Text>,
        /// Whether it was asked for with `*`.
        star: bool,
    },
}

impl Held {
    /// Forgets the names of the holes: an operation follows.
    pub(super) fn forget_names(&mut self) {
        match self {
            Held::Unset => {}
            Held::One(text) => text.forget_names(),
            Held::List { items, .. } => items.iter_mut().for_each(Text::forget_names),
        }
    }

    /// The values, without what they are to the parameter.
    pub(super) fn texts(&self) -> &[Text] {
        match self {
            Held::Unset => &[],
            Held::One(text) => std::slice::from_ref(text),
            Held::List { items, .. } => items,
        }
    }
}

impl Substitution<'_> {
    pub(super) fn parameter(&mut self, parameter: &Parameter, place: Place) -> Result<(), Stop> {
        self.parameter_alone(parameter, place)?;
        match self.behind_brace.take() {
            Some(behind) => self.parts(&behind, Place { tilde: Tilde::Never, ..place }),
            None => Ok(()),
        }
    }

    fn parameter_alone(&mut self, parameter: &Parameter, place: Place) -> Result<(), Stop> {
        if let ParameterName::Inside(PathName(path)) = &parameter.name {
            let written = single(self.cx, path, Tilde::Never)?;
            let name = self.cx.state().path_of(written.bytes(), parameter.span)?;
            let name = ParameterName::Variable(name);
            return self.parameter_alone(&Parameter { name, ..parameter.clone() }, place);
        }
        if let Operation::Rest(word) = &parameter.operation {
            let value = Parameter { operation: Operation::Value, ..parameter.clone() };
            self.parameter_alone(&value, place)?;
            self.parts(&word.parts, place)?;
            self.cut = true;
            return Ok(());
        }
        if place.quoted {
            self.refuse_empty_key(parameter)?;
        }
        let held = match &parameter.operation {
            Operation::Unreadable { why, ends } => {
                // Where it ends a line, only the operand of a parameter that is set is looked at.
                let held = if *ends == Reach::Line { Some(self.held(parameter)?) } else { None };
                if !matches!(held, Some(Held::Unset)) {
                    let dialect = &self.cx.state().dialect;
                    let status = dialect.unreadable_document_status.unwrap_or(1);
                    return Err(Stop::error(why.to_string(), parameter.span, status, *ends));
                }
                Held::Unset
            }
            Operation::Bad => {
                let status = self.cx.state().dialect.bad_substitution_status;
                return Err(self.cx.state().mistake("bad substitution", parameter.span, status));
            }
            Operation::Name(_) if matches!(parameter.index, Some(Subscript::Index(_))) => {
                self.element_name(parameter)?
            }
            _ => self.held(parameter)?,
        };
        let drops = !place.quoted && self.cx.state().dialect.operations_drop_empty_quotes;
        if drops && self.counts_as_word(parameter, &held) {
            self.drop_empty_quotes();
            if matches!(parameter.operation, Operation::Instead { .. }) && self.current_len() == 0 {
                self.begins_anew(place);
            }
        }
        self.keep_indexed_field(parameter, place)?;
        let (is_set, met) = (!matches!(held, Held::Unset), self.met);
        let was_text = matches!(&held, Held::One(text) if !text.is_empty());
        let operated = self.operate(parameter, held, place)?;
        if let Operation::Instead { .. } = parameter.operation {
            self.met |= is_set;
        }
        if let Some(held) = operated {
            let assigns =
                matches!(parameter.operation, Operation::Instead { what: Instead::Assign, .. });
            self.emptied |= (was_text || assigns)
                && !matches!(parameter.operation, Operation::Value)
                && matches!(&held, Held::One(text) if text.is_empty());
            let filled = |text: &Text| !text.is_empty() || text.has_hole();
            let anew = match &parameter.operation {
                Operation::Value
                | Operation::Length
                | Operation::Width
                | Operation::Instead { .. } => false,
                Operation::Substring { .. } | Operation::Replace { .. } => true,
                _ => matches!(&held, Held::One(text) if filled(text) || self.current_len() == 0),
            };
            if anew {
                self.begins_anew(place);
            }
            self.emit(parameter, held, place)?;
            if let Operation::Instead { what: Instead::Alternative, .. } = parameter.operation {
                // What is not set counts as not written.
                self.met = met || is_set;
            }
        }
        Ok(())
    }

    /// The shell begins to look for separators anew, where an operation makes it do that.
    pub(super) fn begins_anew(&mut self, place: Place) {
        if place.fields && !place.quoted && self.cx.state().dialect.operations_drop_empty_quotes {
            self.break_field(Break::Anew);
        }
    }

    /// Whether an operation takes the place of what its parameter holds, so that the shell begins its
    /// word anew.
    fn counts_as_word(&self, parameter: &Parameter, held: &Held) -> bool {
        match &parameter.operation {
            Operation::Value | Operation::Length | Operation::Width => false,
            Operation::Instead { what, colon, .. } => {
                let has_value = match held {
                    Held::Unset => false,
                    Held::One(text) => !colon || !text.is_empty(),
                    Held::List { items, .. } => !items.is_empty(),
                };
                has_value == (*what == Instead::Alternative)
            }
            _ => true,
        }
    }

    /// The value of the parameter, each text with the hop of this expansion.
    pub(super) fn held(&mut self, parameter: &Parameter) -> Result<Held, Stop> {
        if let ParameterName::Variable(name) = &parameter.name
            && let Some(meant) = self.cx.state().variables.meant(name)
        {
            return match self.element_meant(parameter, &meant, &Operation::Value)? {
                Some(element) if self.is_of_name(&element) => Ok(Held::Unset),
                Some(element) => self.held(&element),
                None => {
                    let name = ParameterName::Variable(meant);
                    self.held(&Parameter { name, ..parameter.clone() })
                }
            };
        }
        if let ParameterName::Variable(name) = &parameter.name {
            self.cx.state().check_meant(name, parameter.span)?;
        }
        let state = self.cx.state();
        if let ParameterName::Variable(name) = &parameter.name
            && state.variables.get(name).is_none_or(|variable| variable.own)
            && let Some(what) = freshen(self.cx, name)
        {
            self.cx.missing(what, parameter.span);
        }
        if let ParameterName::Variable(name) = &parameter.name
            && let Some(shown) = self.shown_by_function(name, parameter)?
        {
            return Ok(Held::One(shown));
        }
        let state = self.cx.state();
        let name = parameter.name.to_bytes();
        let hop = |shifted| Hop {
            rule: Rule::Parameter,
            span: parameter.span,
            name: Some(name.clone()),
            shifted,
        };
        let one = |text: Option<&Text>, shifted| match text {
            Some(text) => Held::One(text.passed_through(&hop(shifted), Standing::Quoted)),
            None => Held::Unset,
        };
        let held = match &parameter.name {
            ParameterName::Positional(0) => one(Some(&state.positional.zero), 0),
            ParameterName::Positional(n) => {
                one(state.positional.get(*n).as_deref(), state.positional.shifted())
            }
            ParameterName::Special(sign @ (b'@' | b'*')) => {
                let hop = hop(state.positional.shifted());
                let items = Passage::all(&hop, Standing::Quoted, state.positional.all());
                state.limits.room_for_hops(parameter.span)?;
                Held::List { items, star: *sign == b'*' }
            }
            ParameterName::Special(sign) => self.special(*sign, &hop(0)),
            // The way has been gone before.
            ParameterName::Inside(_) => Held::Unset,
            ParameterName::Variable(variable) => match &parameter.index {
                None if state.dialect.names_mean_lists && state.variables.is_array(variable) => {
                    return self.indexed(variable, &Subscript::Star, &Operation::Value, &hop(0));
                }
                None => one(state.scalar(variable), 0),
                Some(Subscript::Index(_))
                    if matches!(parameter.operation, Operation::Length)
                        && state.dialect.unset_lengths_are_idle
                        && state.variables.get(variable).is_none() =>
                {
                    Held::Unset
                }
                Some(index) => {
                    return self.indexed(variable, index, &parameter.operation, &hop(0));
                }
            },
        };
        Ok(held)
    }

    /// The value that the function of a variable for reading gives it.
    fn shown_by_function(
        &mut self,
        name: &Rc<[u8]>,
        parameter: &Parameter,
    ) -> Result<Option<Text>, Stop> {
        if self.cx.state().variables.disciplined(name).is_none() {
            return Ok(None);
        }
        let only_asks = matches!(
            parameter.operation,
            Operation::Instead { what: Instead::Alternative, colon: false, .. }
        );
        if only_asks {
            return Ok(disciplines::is_shown(self.cx, name).then(Text::new));
        }
        let key = match &parameter.index {
            None => None,
            Some(Subscript::Index(index)) if self.cx.state().variables.is_keyed(name) => {
                Some(key_text(self.cx, index)?.bytes().to_vec())
            }
            Some(Subscript::Index(index)) => {
                Some(arithmetic::value(self.cx, index)?.to_string().into_bytes())
            }
            // Of a list its elements are read.
            Some(_) => return Ok(None),
        };
        let shown = disciplines::shown(self.cx, name, key.as_deref(), parameter.span)?;
        let hop = Hop {
            rule: Rule::Parameter,
            span: parameter.span,
            name: Some(name.clone()),
            shifted: 0,
        };
        Ok(shown.map(|text| text.passed_through(&hop, Standing::Quoted)))
    }

    /// Whether a parameter is a name of another variable itself: names of elements that go round.
    fn is_of_name(&mut self, parameter: &Parameter) -> bool {
        matches!(&parameter.name, ParameterName::Variable(name) if self.cx.state().variables.is_name(name))
    }

    fn special(&mut self, sign: u8, hop: &Hop) -> Held {
        let state = self.cx.state();
        let text = match sign {
            b'#' => state.shell_number(state.positional.count()),
            b'?' => state.shell_number(state.status),
            b'-' => state.shell_text(&state.option_letters()),
            b'!' if state.jobs.is_empty() && state.dialect.no_job_is_zero => state.shell_text(b"0"),
            b'!' if state.jobs.is_empty() => return Held::Unset,
            b'$' if let Some(own) = state.own_number() => state.shell_number(own),
            _ => {
                let whose = if sign == b'!' { "a background command" } else { "the shell" };
                self.cx.missing(&format!("the process number of {whose}"), hop.span);
                let mut text = Text::new();
                let name = match sign {
                    b'!' => self.cx.state().jobs.latest(),
                    _ => Some(HoleName::SHELL_NUMBER),
                };
                let origin = Origin::new(Rule::Shell, hop.span).then(hop.clone());
                text.push_named_hole(name, Standing::Quoted, &origin);
                return Held::One(text);
            }
        };
        Held::One(text.passed_through(hop, Standing::Quoted))
    }

    /// Whether a name is that of the array whose elements are the paths of programs.
    pub(super) fn tells_programs(&mut self, name: &[u8]) -> bool {
        let state = self.cx.state();
        name == b"commands"
            && state.dialect.programs_are_elements
            && state.variables.get(name).is_none()
    }

    /// What an index of a variable means to an operation.
    fn indexed(
        &mut self,
        name: &Rc<[u8]>,
        index: &Subscript,
        operation: &Operation,
        hop: &Hop,
    ) -> Result<Held, Stop> {
        if let Subscript::Index(index) = index
            && self.tells_programs(name)
        {
            let name = key_text(self.cx, index)?;
            let path = super::tilde::program_path(self.cx, name.bytes());
            return Ok(path.map_or(Held::Unset, |path| {
                Held::One(self.cx.state().shell_text(&path).passed_through(hop, Standing::Quoted))
            }));
        }
        let variable = self.cx.state().variables.get(name);
        let star = matches!(index, Subscript::Star);
        if variable.is_none_or(|one| matches!(one.value, Value::Nothing))
            && self.cx.state().dialect.array_is_list
            && matches!(index, Subscript::At | Subscript::Star)
        {
            return Ok(Held::Unset);
        }
        match index {
            Subscript::At | Subscript::Star => {
                let variable = self.cx.state().variables.get(name);
                let items = variable.map(Variable::texts).unwrap_or_default();
                let items = Passage::all(hop, Standing::Quoted, items);
                Ok(Held::List { items, star })
            }
            Subscript::Index(index) => {
                if let Some(items) = self.elements_between(name, index)? {
                    let items = Passage::all(hop, Standing::Quoted, &items);
                    return Ok(Held::List { items, star: false });
                }
                let key = self.key(name, index)?;
                let state = self.cx.state();
                if state.dialect.asking_makes_arrays {
                    state.variables.make_array(name);
                }
                let ends = state.dialect.told_mistakes_end_shells && state.options.exit_on_error;
                if ends && state.variables.lies_before(name, &key) {
                    return Err(Stop::error(BEFORE_START, hop.span, 1, Reach::Shell));
                }
                state.check_index(name, &key, hop.span)?;
                let measures = matches!(operation, Operation::Length);
                if measures && state.dialect.early_lengths_are_mistakes {
                    state.check_measured(name, &key, hop.span)?;
                }
                if self.cx.state().dialect.assigned_index_is_read_once {
                    self.looked_up = Some(key.clone());
                }
                if let Key::Number(number) = key
                    && self.cx.state().dialect.arrays_have_one_place
                {
                    self.cx.state().array_place = Some((name.clone(), number));
                }
                // Elements that only reading has made are not set for those that just ask.
                let alternative = Instead::Alternative;
                let asks = matches!(key, Key::Number(_))
                    && matches!(operation, Operation::Instead { what, .. } if *what == alternative);
                Ok(match self.cx.state().variables.element(name, &key) {
                    Some(text) if asks && is_made_by_reading(text) => Held::Unset,
                    Some(text) => Held::One(text.passed_through(hop, Standing::Quoted)),
                    None => Held::Unset,
                })
            }
        }
    }

    /// Refuses an empty key between double quotes, where the shell minds that; without them it is a key as any other
    /// (observed in zsh 5.9: `typeset -A h; echo ${h[]} "${h[]}"`).
    pub(super) fn refuse_empty_key(&mut self, parameter: &Parameter) -> Result<(), Stop> {
        let (ParameterName::Variable(name), Some(Subscript::Index(index))) =
            (&parameter.name, &parameter.index)
        else {
            return Ok(());
        };
        let state = self.cx.state();
        if !index.word.parts.is_empty()
            || !state.dialect.empty_index_is_mistake
            || !state.variables.is_keyed(name)
        {
            return Ok(());
        }
        Err(state.mistake("there is no key in the brackets", index.word.span, 1))
    }

    /// The key that an index means: a number, or for an associative array any text.
    pub(super) fn key(&mut self, name: &[u8], index: &Arithmetic) -> Result<Key, Stop> {
        let associative = |one: &Variable| matches!(one.value, Value::Associative(_));
        if self.cx.state().variables.get(name).is_some_and(associative) {
            return key_text(self.cx, index).map(Key::Text);
        }
        let number = index_number(self.cx, index, false).map_err(Stop::in_index)?;
        Ok(Key::Number(self.cx.state().index(number.unwrap_or_default())))
    }

    pub(super) fn unset(&mut self, parameter: &Parameter) -> Result<(), Stop> {
        let state = self.cx.state();
        if !state.options.no_unset {
            return Ok(());
        }
        let status = state.unset_status();
        let name = parameter.name.to_bytes();
        if &*name == b"_" && state.dialect.last_argument == LastArgument::Lines {
            // It is not set before the first line has left something, and nobody minds.
            return Ok(());
        }
        let message = format!("{} is not set, and set -u is on", String::from_utf8_lossy(&name));
        Err(Stop::shell(message, parameter.span, status))
    }
}

/// The key of an associative array that an index is, whose quotes belong to it where the shell has it so.
pub(crate) fn key_text(cx: &mut dyn Context, index: &Arithmetic) -> Result<Text, Stop> {
    match cx.state().dialect.keys_keep_quotes {
        true => key_at(cx, index.word.span),
        false => listed_key(cx, index),
    }
}

/// The key that is written at a place, whose quotes belong to it.
pub(super) fn key_at(cx: &mut dyn Context, span: Span) -> Result<Text, Stop> {
    let written = cx.state().sources.bytes(span).to_vec();
    let dialect = cx.state().dialect.clone();
    let mut parser = Parser::new(&written, span.source, &dialect);
    parser.set_aliases(cx.state().known_aliases());
    let word = parser.whole_key(span)?;
    single(cx, &word, Tilde::Never)
}

/// The number that an index means, whose quotes only quote where the shell has it so; nothing where it is that of an
/// element of a list, leaves nothing, and the shell minds that.
pub(crate) fn index_number(
    cx: &mut dyn Context,
    index: &Arithmetic,
    in_list: bool,
) -> Result<Option<i64>, Stop> {
    let span = index.word.span;
    let vanish = match cx.state().dialect.index_quotes {
        IndexQuotes::Count => false,
        IndexQuotes::VanishInLists | IndexQuotes::VanishInListedNumbers => in_list,
        IndexQuotes::Vanish => true,
    };
    let must_be_something = in_list && cx.state().dialect.listed_indexes_must_be_something;
    let looked_at: &[u8] = if must_be_something { b"'\"\\$`" } else { b"'\"\\" };
    if !vanish || !cx.state().sources.bytes(span).iter().any(|byte| looked_at.contains(byte)) {
        return arithmetic::index(cx, index).map(Some);
    }
    let text = listed_index(cx, index).map_err(Stop::of_words)?;
    if must_be_something && text.is_nothing() {
        return Ok(None);
    }
    arithmetic::index_value(cx, text.bytes(), span).map(Some)
}

/// What an index is as a word, in which quotes quote.
///
/// # Errors
/// A text that cannot be read as a word, or an expansion that the shell refuses.
pub(crate) fn listed_index(cx: &mut dyn Context, index: &Arithmetic) -> Result<Text, Stop> {
    let span = index.word.span;
    let written = cx.state().sources.bytes(span).to_vec();
    let dialect = cx.state().dialect.clone();
    let word = Parser::new(&written, span.source, &dialect).whole_word(span)?;
    single(cx, &word, Tilde::Never)
}

/// The key of an associative array that the index of an element of a list is: its quotes quote, as in any word.
pub(crate) fn listed_key(cx: &mut dyn Context, index: &Arithmetic) -> Result<Text, Stop> {
    match cx.state().sources.bytes(index.word.span).iter().any(|byte| b"'\\".contains(byte)) {
        true => listed_index(cx, index),
        false => single(cx, &index.word, Tilde::Never),
    }
}

/// What the text of an index expands to that a utility was given; quotes vanish from keys of text.
///
/// # Errors
/// A text that cannot be read, or an expansion that the shell refuses.
pub(crate) fn index_text(cx: &mut dyn Context, index: &[u8], keyed: bool) -> Result<Text, Stop> {
    let dialect = cx.state().dialect.clone();
    let source = cx.state().sources.built("index", index);
    let span = Span::new(source, 0, index.len());
    let mut parser = Parser::new(index, source, &dialect);
    parser.set_aliases(cx.state().known_aliases());
    let word = match keyed {
        true if dialect.keys_keep_quotes => parser.whole_key(span)?,
        true => parser.whole_word(span)?,
        false => parser.whole_text(span)?,
    };
    single(cx, &word, Tilde::Never)
}
