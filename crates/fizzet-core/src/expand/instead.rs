//! `${x-word}`, `${x=word}`, `${x?word}` and `${x+word}` (POSIX XCU 2.6.2).

use std::rc::Rc;

use crate::dialect::JoinedEmpty;
use crate::expand::disciplines;
use crate::expand::parameter::Held;
use crate::expand::parts::is_expansion;
use crate::expand::quoted_lists::begins_with_quoted_list;
use crate::expand::substitute::{Break, Joiner, Place, Substitution};
use crate::expand::tilde::in_field;
use crate::expand::tilde_cut::hidden_brace;
use crate::expand::unknown::is_filled;
use crate::expand::{Tilde, expands_fields, field_braces, ifs, joined, single, split_all};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Key, Value};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{Instead, Parameter, ParameterName, Part, Subscript, Word};
use crate::text::{Standing, Text};

/// Whether an opening brace stands between quotes that end the quotes around the operation.
fn opens_between_quotes(word: &Word) -> bool {
    let opens = |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'{'));
    word.parts.iter().any(|part| match part {
        Part::Double { parts, .. } => parts.iter().any(opens),
        _ => false,
    })
}

impl Substitution<'_> {
    /// Whether a list counts as set and, with a `colon`, as not empty; `star` is that of `$*`.
    fn list_has_value(
        &mut self,
        items: &[Text],
        star: bool,
        (what, colon): (Instead, bool),
        place: Place,
    ) -> bool {
        let dialect = self.cx.state().dialect.clone();
        let all_empty = items.iter().all(|item| item.is_empty());
        let joined_empty = all_empty && ifs(self.cx.state()).is_empty();
        if dialect.array_is_list {
            let joined_empty = (items.len() < 2 && all_empty) || joined_empty;
            return match (star && place.quoted, colon) {
                (true, true) => !joined_empty,
                (_, false) => true,
                (false, true) => !items.is_empty(),
            };
        }
        if !colon {
            return !items.is_empty() || dialect.at_is_always_set;
        }
        if dialect.first_parameter_decides {
            return items.first().is_some_and(|first| !first.is_empty());
        }
        let joins = match dialect.joined_empty_is_none {
            JoinedEmpty::Never => false,
            JoinedEmpty::StarUnlessFields => star && (place.quoted || !place.fields),
            JoinedEmpty::Star => star,
            JoinedEmpty::UnlessFieldsStand => {
                let stand = place.fields && !(star && place.quoted);
                what == Instead::Alternative || !stand
            }
        };
        let one_empty = all_empty && items.len() < 2;
        !(one_empty || (all_empty && dialect.all_empty_is_none) || (joins && joined_empty))
    }

    pub(super) fn instead(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (what, colon, word): (Instead, bool, &Word),
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        if matches!(what, Instead::Assign | Instead::Error)
            && matches!(held, Held::List { .. })
            && self.cx.state().dialect.lists_demand_nothing
        {
            let status = self.cx.state().dialect.bad_substitution_status;
            let message = "a list is neither assigned to nor demanded here";
            return Err(self.cx.state().mistake(message, parameter.span, status));
        }
        if colon
            && matches!(what, Instead::Alternative | Instead::Error)
            && let Held::One(text) = &held
            && is_filled(text).is_none()
        {
            self.cx.missing("whether this value is empty", parameter.span);
        }
        let has_value = match &held {
            Held::Unset => false,
            Held::One(text) => !colon || !text.is_empty() || text.has_hole(),
            // One empty parameter is a pair of quotes here.
            Held::List { items, .. }
                if items.len() == 1
                    && !place.quoted
                    && self.cx.state().dialect.assigned_lists_use_ifs
                    && matches!(place.joiner, Joiner::Assigned | Joiner::Declared) =>
            {
                true
            }
            Held::List { items, star } => self.list_has_value(items, *star, (what, colon), place),
        };
        let use_word = what == Instead::AssignAlways || has_value == (what == Instead::Alternative);
        let early = match !use_word || what == Instead::Assign {
            true => self.early_end(parameter, word, place)?,
            false => None,
        };
        let (early, behind) = early.unzip();
        let word = early.as_ref().unwrap_or(word);
        self.behind_brace = behind;
        self.behind_quoted_at &= use_word;
        if !use_word {
            if parameter.runs_on {
                let message = "the single quote inside is never closed";
                return Err(self.cx.state().mistake(message, parameter.span, 3));
            }
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
                    Standing::Quoted if self.unsplit => Standing::Quoted,
                    Standing::Quoted | Standing::Value => Standing::Plain,
                    _ => Standing::Splittable,
                };
                let outer = place.quoted.then(|| self.empties());
                let expansion = match place.expansion {
                    Standing::Strict => Standing::Splittable,
                    other => other,
                };
                let before = self.made_so_far();
                let runs = self.current_runs();
                self.used_word(word, Place { literal, expansion, alone: false, ..place })?;
                if literal == Standing::Splittable
                    && !place.quoted
                    && self.cx.state().dialect.word_end_drops_empty_quotes
                {
                    self.drop_last_empty_quotes(before.0, runs);
                }
                if self.cx.state().dialect.commas_in_words_are_text {
                    self.hide_commas_since(before);
                }
                if place.quoted
                    && place.fields
                    && !parameter.runs_on
                    && self.cx.state().dialect.inner_opener_shows_closer
                    && opens_between_quotes(word)
                {
                    let end = parameter.span.end;
                    let closer = Span { start: end - 1, ..parameter.span };
                    self.push(b"}", Standing::Quoted, &Origin::new(Rule::Quoted, closer))?;
                }
                if let Some(outer) = outer {
                    self.word_behind(outer);
                }
                if !place.quoted && self.behind_quotes {
                    let origin = Origin::new(Rule::Quoted, parameter.span);
                    self.push(b"", Standing::Quoted, &origin)?;
                }
                Ok(None)
            }
            Instead::Assign | Instead::AssignAlways => {
                let held = self.assign(parameter, word, place)?;
                self.keep_field(word, place)?;
                let strict = self.cx.state().dialect.strict_behind_quoted_at
                    && place.fields
                    && !place.quoted
                    && begins_with_quoted_list(word)
                    && self.holds_quoted_list(word)?;
                match held {
                    Held::One(mut text) if strict => {
                        text.set_standing(Standing::Strict);
                        self.push_text(&text)?;
                        Ok(None)
                    }
                    held => Ok(Some(held)),
                }
            }
            Instead::Error => {
                let text = single(self.cx, word, Tilde::AtStart)?;
                let name = parameter.name.to_bytes();
                let message = match text.is_empty() {
                    true => "it is not set".into(),
                    false => String::from_utf8_lossy(text.bytes()).into_owned(),
                };
                let message = format!("{}: {message}", String::from_utf8_lossy(&name));
                let dialect = self.cx.state().dialect.clone();
                let status = self.cx.state().unset_status();
                let error = ShellError::new(message, parameter.span, status, Reach::Shell);
                Err(Stop::Shell(ShellError { exits: dialect.unset_message_exits, ..error }))
            }
        }
    }

    /// A word that is not put in place: it ends at the first brace that closes, and the rest stands behind the
    /// operation.
    fn early_end(
        &mut self,
        parameter: &Parameter,
        word: &Word,
        place: Place,
    ) -> Result<Option<(Word, Vec<Part>)>, Stop> {
        if place.quoted || !self.cx.state().dialect.first_brace_ends_operation {
            return Ok(None);
        }
        if word.span.source != parameter.span.source || word.span.start > parameter.span.end {
            return Ok(None);
        }
        let span = Span { end: parameter.span.end, ..word.span };
        let closes_itself = parameter.span.end > word.span.end;
        let written = self.cx.state().sources.bytes(span);
        let braces = written.iter().filter(|&&byte| byte == b'}').count();
        if braces <= usize::from(closes_itself) {
            return Ok(None);
        }
        let written = written.to_vec();
        let dialect = self.cx.state().dialect.clone();
        let counts = |end: &usize| end + 1 < written.len() || !closes_itself;
        let Some(end) = first_closer(&written).filter(counts) else { return Ok(None) };
        let read = |from: usize, to: usize| {
            let at = |offset: usize| span.start + offset as u32;
            let part = Span { start: at(from), end: at(to), ..span };
            Parser::new(&written[from..to], span.source, &dialect).whole_word(part)
        };
        Ok(Some((read(0, end)?, read(end + 1, written.len())?.parts)))
    }

    /// The word of `${x-word}` or `${x+word}` in the place of the parameter.
    fn used_word(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let dialect = &self.cx.state().dialect;
        let tilde = match () {
            () if place.assigned && dialect.tilde_in_assigned_words => Tilde::AfterColons,
            () if dialect.tilde_after_equals => Tilde::AfterEquals,
            () if place.tilde == Tilde::InOperation => Tilde::InOperation,
            () => Tilde::AtStart,
        };
        let in_fields = dialect.tilde_in_fields && !place.quoted;
        let (fields, start) = (self.fields_done(), self.current_len());
        if self.is_rejoined(word, place) {
            return self.rejoined(word, Place { tilde, ..place });
        }
        if self.is_split_for_itself(word, place) {
            return self.split_for_itself(word, Place { tilde, ..place });
        }
        if self.makes_fields(word, place) {
            let fields = self.word_fields(word, place)?;
            if !place.fields {
                let text = self.joined_list(&fields, word.span);
                return self.push_text(&text);
            }
            for (at, field) in fields.iter().enumerate() {
                if at > 0 {
                    self.break_field(Break::Field);
                }
                self.push_kept(field, word)?;
            }
            return Ok(());
        }
        let lists = self.cx.state().dialect.array_is_list && !place.fields && !place.quoted;
        if lists && word.parts.iter().any(is_expansion) {
            let text = self.joined_fields(word, place)?;
            return self.push_text(&text);
        }
        let joins = place.quoted || !ifs(self.cx.state()).is_empty();
        let spaced = !joins && !place.fields && self.cx.state().dialect.declared_star_has_spaces;
        let place = match spaced {
            true => Place { joiner: Joiner::Declared, ..place },
            false => place,
        };
        self.with_joined_stars(Some(joins), |this| this.word(word, Place { tilde, ..place }))?;
        if in_fields && self.fields_done() == fields {
            let whole = self.replace_current(Text::new());
            let made = whole.slice(start, whole.len());
            self.replace_current(whole.slice(0, start));
            let made = in_field(self.cx, made, word.span, tilde)?;
            self.push_text(&made)?;
        }
        Ok(())
    }

    /// What comes of a mistake in storing the word of `${x=word}`.
    fn default_failed(&mut self, stop: Stop) -> Stop {
        let state = self.cx.state();
        let own = state.dialect.failed_default_status;
        match (stop, own) {
            (Stop::Shell(error), Some(status))
                if error.reach == Reach::Line
                    && !state.in_text()
                    && !state.options.exit_on_error =>
            {
                Stop::Shell(ShellError { status, ..error })
            }
            (stop, _) => stop,
        }
    }

    /// Assigns the word of `${x=word}`, and gives what is assigned.
    fn assign(&mut self, parameter: &Parameter, word: &Word, place: Place) -> Result<Held, Stop> {
        let known = self.looked_up.take();
        let state = self.cx.state();
        let name = match &parameter.name {
            // What the shell keeps itself is not assigned like this.
            ParameterName::Variable(name) if !name.starts_with(b".") => name,
            ParameterName::Positional(1..) if state.dialect.parameters_are_variables => {
                &Rc::from(&*parameter.name.to_bytes())
            }
            _ => {
                let status = state.dialect.bad_substitution_status;
                let message = "only a variable can be assigned";
                return Err(state.mistake(message, parameter.span, status));
            }
        };
        let joiner = match self.cx.state().dialect.assigned_lists_use_ifs {
            true => Joiner::Assigned,
            false => place.joiner,
        };
        let tilde = match self.cx.state().dialect.colon_ends_assigned_tilde {
            true => Tilde::ToColon,
            false => Tilde::AtStart,
        };
        let inner = Place { fields: false, tilde, joins_stars: true, joiner, ..place };
        let value = match self.cx.state().dialect.array_is_list {
            true => self.joined_fields(word, place)?,
            false => joined(Substitution::run(self.cx, word, inner)?),
        };
        let hop = |rule| Hop { rule, span: parameter.span, name: Some(name.clone()), shifted: 0 };
        let stored = value.passed_through(&hop(Rule::Stored), Standing::Quoted);
        let expanded = stored.passed_through(&hop(Rule::Parameter), Standing::Quoted);
        let key = self.assigned_key(parameter, name, known);
        let key = key.map_err(|stop| self.default_failed(stop))?;
        let is_stored = disciplines::store(self.cx, name, key.clone(), stored, parameter.span);
        is_stored.map_err(|stop| self.default_failed(stop))?;
        self.keeps_empty |= place.quoted && self.cx.state().dialect.assigned_default_counts;
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

    /// The element that `${x[key]=word}` assigns; `known` where the key has been taken already.
    fn assigned_key(
        &mut self,
        parameter: &Parameter,
        name: &[u8],
        known: Option<Key>,
    ) -> Result<Option<Key>, Stop> {
        match &parameter.index {
            Some(Subscript::Index(index)) => {
                let key = match known {
                    Some(key) => key,
                    None => self.key(name, index)?,
                };
                let is_empty =
                    matches!(&key, Key::Text(text) if text.is_empty() && !text.has_hole());
                if is_empty && self.cx.state().dialect.empty_key_is_mistake {
                    return Err(self.cx.state().mistake("the key is empty", parameter.span, 1));
                }
                Ok(Some(key))
            }
            Some(all) if self.cx.state().dialect.whole_index_is_key => {
                let state = self.cx.state();
                let keyed = state
                    .variables
                    .get(name)
                    .is_some_and(|one| matches!(one.value, Value::Associative(_)));
                let sign: &[u8] = if matches!(all, Subscript::At) { b"@" } else { b"*" };
                if !keyed {
                    return Err(state.mistake("one index was expected", parameter.span, 1));
                }
                Ok(Some(Key::Text(state.shell_text(sign))))
            }
            _ => Ok(None),
        }
    }

    /// The fields of a word joined again: what is empty in between is lost.
    fn joined_fields(&mut self, word: &Word, place: Place) -> Result<Text, Stop> {
        let fields = self.word_fields(word, place)?;
        Ok(self.joined_list(&fields, word.span))
    }

    /// Whether braces or expansions may make a list of a word, without what is empty in it, before what stands
    /// around it is put to that.
    fn makes_fields(&mut self, word: &Word, place: Place) -> bool {
        let opens =
            |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'{'));
        let state = self.cx.state();
        let braces = expands_fields(state);
        state.dialect.array_is_list
            && !place.quoted
            && !state.options.word_split
            && word
                .parts
                .iter()
                .any(|part| (braces && opens(part)) || (place.fields && is_expansion(part)))
    }

    /// The fields that a word makes by itself.
    pub(super) fn word_fields(&mut self, word: &Word, place: Place) -> Result<Vec<Text>, Stop> {
        let inside = Place { fields: !place.quoted, tilde: Tilde::Never, ..place };
        let (pieces, has_list) = Substitution::run_telling(self.cx, word, inside)?;
        self.has_list |= has_list;
        let mut fields = split_all(self.cx, pieces, word)?;
        fields.retain(|text| !text.is_nothing());
        if expands_fields(self.cx.state()) && !place.quoted && !self.cx.state().options.word_split {
            fields = field_braces(self.cx.state(), fields, word)?;
        }
        for text in &mut fields {
            *text = in_field(self.cx, std::mem::take(text), word.span, Tilde::AtStart)?;
        }
        Ok(fields)
    }
}

/// Where the first brace stands outside quotes and commands that closes: only expansions open others.
fn first_closer(written: &[u8]) -> Option<usize> {
    let (mut at, mut level, mut parentheses) = (0, 0u32, 0u32);
    let mut quote = None;
    while let Some(&byte) = written.get(at) {
        match byte {
            b'\\' if quote != Some(b'\'') => at += 1,
            b'\'' | b'"' | b'`' if quote.is_none() => quote = Some(byte),
            byte if quote == Some(byte) => quote = None,
            _ if quote.is_some() => {}
            b'(' if parentheses > 0 || at > 0 && written[at - 1] == b'$' => parentheses += 1,
            b')' if parentheses > 0 => parentheses -= 1,
            _ if parentheses > 0 => {}
            b'$' if written.get(at + 1) == Some(&b'{') => {
                level += 1;
                at += 1;
            }
            b'}' if level == 0 => return Some(at),
            b'}' => level -= 1,
            _ => {}
        }
        at += 1;
    }
    None
}
