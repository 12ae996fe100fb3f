//! Parameter expansion (POSIX XCU 2.6.2): finding the value and putting it into the word.

use std::rc::Rc;

use crate::dialect::IndexQuotes;
use crate::expand::substitute::{Break, Joiner, MARK, Place, Substitution};
use crate::expand::{Context, Ifs, Tilde, arithmetic, ifs, record, single, split_with_ends, whole};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Key, Value, Variable};
use crate::stop::{Reach, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{
    Arithmetic, Instead, Operation, Parameter, ParameterName, PathName, Subscript,
};
use crate::text::{Passage, Standing, Text};
use crate::trace::Expansion;

/// What a parameter holds.
pub(super) enum Held {
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
    /// The values, without what they are to the parameter.
    pub(super) fn texts(&self) -> &[Text] {
        match self {
            Held::Unset => &[],
            Held::One(text) => std::slice::from_ref(text),
            Held::List { items, .. } => items,
        }
    }
}

/// What joins the list that a parameter makes.
fn joiner(parameter: &Parameter, place: Place, ifs: &Ifs) -> Joiner {
    use Operation::{Case, Instead, Keys, Remove, Replace, Substring, Transform, Value};
    let is_array = matches!(parameter.name, ParameterName::Variable(_));
    match (place.joiner, &parameter.operation) {
        (Joiner::SpaceForParameters { .. }, Value | Instead { .. }) if is_array => Joiner::Ifs,
        (Joiner::SpaceForParameters { changed }, Replace { .. } | Case { .. })
            if changed || ifs.is_empty() =>
        {
            Joiner::Ifs
        }
        (Joiner::SpaceForParameters { .. }, _) => Joiner::Space,
        (Joiner::Assigned, Remove { pattern, .. }) if pattern.parts.is_empty() => Joiner::Ifs,
        (Joiner::Assigned, Remove { .. } | Transform(_)) => Joiner::IfsForAll,
        (Joiner::Assigned, Replace { .. } | Case { .. } | Substring { .. } | Keys) => {
            if place.quoted { Joiner::IfsForAll } else { Joiner::Ifs }
        }
        (Joiner::Assigned, _) => Joiner::Ifs,
        (Joiner::Declared, Remove { pattern, .. }) if pattern.parts.is_empty() && place.quoted => {
            Joiner::Ifs
        }
        (Joiner::Declared, Remove { .. } | Transform(_))
            if place.quoted || parameter.is_at_list() =>
        {
            Joiner::IfsForAll
        }
        (Joiner::Declared, Replace { .. } | Case { .. } | Substring { .. } | Keys)
            if place.quoted =>
        {
            Joiner::IfsForAll
        }
        (Joiner::Declared, Case { .. }) => Joiner::Ifs,
        (Joiner::Declared, Value | Instead { .. } | Replace { .. }) if is_array => Joiner::Ifs,
        (Joiner::Declared, _) if place.quoted => Joiner::Ifs,
        (joiner, _) => joiner,
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
            && let Some(what) = state.freshen(name)
        {
            self.cx.missing(what, parameter.span);
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
                    return self.indexed(variable, &Subscript::Star, &hop(0));
                }
                None => one(state.scalar(variable), 0),
                Some(Subscript::Index(_))
                    if matches!(parameter.operation, Operation::Length)
                        && state.dialect.unset_lengths_are_idle
                        && state.variables.get(variable).is_none() =>
                {
                    Held::Unset
                }
                Some(index) => return self.indexed(variable, index, &hop(0)),
            },
        };
        Ok(held)
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
            b'$' if let Some(process) = state.doing.process => state.shell_number(process.number),
            _ => {
                let whose = if sign == b'!' { "a background command" } else { "the shell" };
                self.cx.missing(&format!("the process number of {whose}"), hop.span);
                let mut text = Text::new();
                text.push_hole(Standing::Quoted, &Origin::from_hop(hop.clone()));
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

    fn indexed(&mut self, name: &Rc<[u8]>, index: &Subscript, hop: &Hop) -> Result<Held, Stop> {
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
        if variable.is_none()
            && self.cx.state().dialect.array_is_list
            && matches!(index, Subscript::At | Subscript::Star)
        {
            return Ok(Held::Unset);
        }
        let variable = self.cx.state().variables.get(name);
        let items = variable.map(Variable::texts).unwrap_or_default();
        match index {
            Subscript::At | Subscript::Star => {
                let items = Passage::all(hop, Standing::Quoted, items);
                Ok(Held::List { items, star })
            }
            Subscript::Index(index) => {
                let key = self.key(name, index)?;
                let state = self.cx.state();
                let ends = state.dialect.told_mistakes_end_shells && state.options.exit_on_error;
                if let Key::Number(number @ ..0) = key
                    && (ends || state.dialect.early_index_is_mistake)
                    && self.cx.state().variables.is_array(name)
                    && self.cx.state().variables.index(name, number).is_none()
                {
                    let message = "the index lies before the start of the array";
                    return Err(match ends {
                        true => Stop::error(message, hop.span, 1, Reach::Shell),
                        false => self.cx.state().mistake(message, hop.span, 1),
                    });
                }
                if self.cx.state().dialect.assigned_index_is_read_once {
                    self.looked_up = Some(key.clone());
                }
                if let Key::Number(number) = key
                    && self.cx.state().dialect.arrays_have_one_place
                {
                    self.cx.state().array_place = Some((name.clone(), number));
                }
                Ok(match self.cx.state().variables.element(name, &key) {
                    Some(text) => Held::One(text.passed_through(hop, Standing::Quoted)),
                    None => Held::Unset,
                })
            }
        }
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

    /// Puts a value into the word.
    pub(super) fn emit(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<(), Stop> {
        let is_filled = |text: &Text| !text.is_empty() || text.has_hole();
        let (count, filled) = match &held {
            Held::Unset => (0, 0),
            Held::One(text) => (1, usize::from(is_filled(text))),
            Held::List { items, .. } => {
                (items.len(), items.iter().filter(|text| is_filled(text)).count())
            }
        };
        record(self.cx, || Expansion {
            rule: Rule::Parameter,
            span: parameter.span,
            name: Some(parameter.name.to_bytes()),
            quoted: place.quoted,
            count,
            filled,
        });
        match held {
            Held::Unset => self.unset(parameter),
            Held::One(mut text) => {
                // An empty positional parameter counts as not written, an empty variable does not.
                let empty =
                    matches!(parameter.name, ParameterName::Positional(_)) && text.is_empty();
                self.met |= !(empty && self.cx.state().dialect.last_empty_parameter_stays);
                text.set_standing(place.expanded());
                self.push_text(&text)
            }
            Held::List { items, .. }
                if items.is_empty()
                    && parameter.index.is_some()
                    && self.cx.state().options.no_unset
                    && self.cx.state().dialect.empty_arrays_are_unset =>
            {
                self.unset(parameter)
            }
            Held::List { mut items, star } => {
                self.met = true;
                if self.cx.state().dialect.array_is_list && !(place.quoted && star) {
                    self.has_list |= parameter.index.is_none() || self.is_list(parameter);
                }
                if star && place.joiner == (Joiner::SpaceForParameters { changed: false }) {
                    items = self.beside_all(parameter, items);
                }
                if star && place.beside_at && comes_apart(&parameter.operation) {
                    let ifs = ifs(self.cx.state());
                    let joiner = ifs.joiner();
                    if joiner.iter().any(|&byte| ifs.is_blank(byte)) {
                        items.retain(is_filled);
                    }
                    if !joiner.is_empty() {
                        return match items.is_empty() {
                            true => Ok(()),
                            false => self.separate(parameter.span, items, false, place),
                        };
                    }
                }
                let joiner = joiner(parameter, place, &ifs(self.cx.state()));
                self.list(parameter.span, items, star, Place { joiner, ..place })
            }
        }
    }

    /// What becomes of a `$*` of a here-document in bash where a `$@` stands beside it: its text is split and put
    /// together again with spaces; the values of an operation stay whole, but several empty ones count as one.
    fn beside_all(&mut self, parameter: &Parameter, mut items: Vec<Text>) -> Vec<Text> {
        use Operation::{Case, Instead, Remove, Replace, Substring, Value};
        let ifs = ifs(self.cx.state());
        let is_array = parameter.index.is_some();
        let merges = match &parameter.operation {
            Value | Instead { .. } if is_array => false,
            Value | Instead { .. } => {
                let text = whole::joined(&items, b" ", parameter.span);
                return split_with_ends(text, self.cx.state());
            }
            Remove { .. } | Substring { .. } => ifs.is_empty() || ifs.separates(b' '),
            Replace { .. } | Case { .. } => ifs.joiner() == b" ",
            _ => false,
        };
        if !merges || items.len() < 2 {
            return items;
        }
        let is_empty =
            |text: Option<&Text>| text.is_some_and(|text| text.is_empty() && !text.has_hole());
        let (opens, closes) = (is_empty(items.first()), is_empty(items.last()));
        items.retain(|text| !is_empty(Some(text)));
        if opens {
            items.insert(0, Text::new());
        }
        if closes {
            items.push(Text::new());
        }
        items
    }

    pub(super) fn unset(&mut self, parameter: &Parameter) -> Result<(), Stop> {
        let state = self.cx.state();
        if !state.options.no_unset {
            return Ok(());
        }
        let status = state.dialect.unset_status;
        let name = parameter.name.to_bytes();
        let message = format!("{} is not set, and set -u is on", String::from_utf8_lossy(&name));
        Err(Stop::shell(message, parameter.span, status))
    }

    fn list(
        &mut self,
        span: Span,
        mut items: Vec<Text>,
        star: bool,
        place: Place,
    ) -> Result<(), Stop> {
        if place.quoted && !star {
            self.met_quoted_at(items.len());
        }
        if place.distributes && place.fields && !(place.quoted && star) {
            return self.distribute(span, items, place);
        }
        if star && !place.quoted && place.fields && self.cx.state().joins_stars {
            let ifs = ifs(self.cx.state());
            return self.joined(span, items, ifs.joiner(), place);
        }
        if (place.fields || (place.marks && place.quoted)) && !(place.quoted && star) {
            return self.separate(span, items, star, place);
        }
        let ifs = ifs(self.cx.state());
        if place.joiner == Joiner::Marked && place.quoted && !star {
            let marked = if place.alone { items.len() } else { items.len().saturating_sub(1) };
            for text in items.iter_mut().take(marked).skip(1).filter(|text| text.is_empty()) {
                text.push(MARK, Standing::Quoted, &Origin::new(Rule::Join, span));
            }
        }
        let spaced = match place.joiner {
            Joiner::Space => true,
            Joiner::IfsForAll => !star && ifs.is_empty(),
            Joiner::Declared if ifs.is_empty() => true,
            _ => !star && self.cx.state().dialect.at_joins_with_space,
        };
        let joiner: &[u8] = if spaced { b" " } else { ifs.joiner() };
        let escapes = place.joiner == Joiner::Escaped && place.quoted;
        let escaped = if escapes { [b"\\", joiner].concat() } else { Vec::new() };
        let joiner = if escapes { &escaped } else { joiner };
        if joiner.is_empty() && place.joiner == Joiner::OfPattern && place.quoted {
            return self.pattern_list(span, &items, place);
        }
        if joiner.is_empty() && place.fields && !self.cx.state().options.no_glob {
            self.escape_starts(span, &mut items);
        }
        self.joined(span, items, joiner, place)
    }

    /// Puts the backslashes that some shells leave in a `"$*"` that nothing joins.
    fn escape_starts(&mut self, span: Span, items: &mut [Text]) {
        let escaped = self.cx.state().dialect.unjoined_star_escapes.as_bytes();
        if escaped.is_empty() {
            return;
        }
        // There is one between two items, which hides the next byte: the backslash of a byte that has one, or of
        // the next two items where the one between is empty.
        let mut waits = false;
        for text in items.iter_mut().skip(1) {
            let mut shows = waits;
            waits = !waits;
            if let Some(first) = text.bytes().first() {
                shows |= waits && escaped.contains(first);
                waits = false;
            }
            if shows {
                let origin = Origin::new(Rule::Join, span);
                let mut whole = Text::from_bytes(b"\\", Standing::Quoted, origin);
                whole.push_text(text);
                *text = whole;
            }
        }
    }

    /// The items of a `"$*"` that nothing joins in a pattern. The backslashes between them, where some shells leave
    /// those, are live: `a\d` matches a digit.
    fn pattern_list(&mut self, span: Span, items: &[Text], place: Place) -> Result<(), Stop> {
        let origin = Origin::new(Rule::Join, span);
        let escaped = self.cx.state().dialect.unjoined_star_escapes.as_bytes();
        let mut waits = false;
        for (at, text) in items.iter().enumerate() {
            if at > 0 && !escaped.is_empty() {
                if waits {
                    self.push(b"\\", place.expanded(), &origin)?;
                }
                waits = !waits;
            }
            let Some(first) = text.bytes().first().filter(|_| waits) else {
                self.push_standing(text, place.expanded())?;
                continue;
            };
            waits = false;
            // The backslash of the byte is hidden, or the byte.
            let live = match escaped.contains(first) {
                true => place.expanded(),
                false => place.expansion,
            };
            self.push(b"\\", live, &origin)?;
            self.push_standing(&text.slice(0, 1), place.expansion)?;
            self.push_standing(&text.slice(1, text.len()), place.expanded())?;
        }
        match waits {
            true => self.push(b"\\", place.expansion, &origin),
            false => Ok(()),
        }
    }

    fn push_standing(&mut self, text: &Text, standing: Standing) -> Result<(), Stop> {
        let mut text = text.clone();
        text.set_standing(standing);
        self.push_text(&text)
    }

    fn joined(
        &mut self,
        span: Span,
        items: Vec<Text>,
        joiner: &[u8],
        place: Place,
    ) -> Result<(), Stop> {
        let origin = Origin::new(Rule::Join, span);
        for (at, mut text) in items.into_iter().enumerate() {
            if at > 0 && !joiner.is_empty() {
                self.push(joiner, place.expanded(), &origin)?;
            }
            text.set_standing(place.expanded());
            self.push_text(&text)?;
        }
        Ok(())
    }

    /// One field a parameter; the first and last of them take the text around the expansion.
    fn separate(
        &mut self,
        span: Span,
        items: Vec<Text>,
        star: bool,
        place: Place,
    ) -> Result<(), Stop> {
        let standing = place.expanded();
        if !place.quoted && self.cx.state().dialect.joins_before_splitting {
            let ifs = ifs(self.cx.state());
            if !ifs.is_empty() {
                let joiner = if ifs.joiner().is_empty() { b" " } else { ifs.joiner() };
                let soft = self.cx.state().dialect.list_joiner_is_soft;
                let expansion = if soft { Standing::Joined } else { place.expansion };
                return self.joined(span, items, joiner, Place { expansion, ..place });
            }
        }
        let count = items.len();
        for (at, mut text) in items.into_iter().enumerate() {
            text.set_standing(standing);
            self.push_text(&text)?;
            if place.quoted && text.is_empty() {
                self.empty_parameter(span, at + 1 == count, place);
            }
            if !place.quoted && !star && at > 0 && at + 1 == count {
                self.last_parameter(&text, span);
            }
            if at + 1 < count {
                let apart = self.cx.state().dialect.parameters_split_apart;
                self.break_field(match standing {
                    _ if apart => Break::Field,
                    Standing::Quoted => Break::Field,
                    Standing::Strict => Break::Separator(span),
                    _ => Break::Blank(span),
                });
            }
        }
        Ok(())
    }
}

impl Substitution<'_> {
    /// The last of several parameters of an unquoted `$@`: where it makes no field, some shells keep
    /// an empty one.
    fn last_parameter(&mut self, text: &Text, span: Span) {
        let state = self.cx.state();
        let vanishes = text.bytes().iter().all(|&byte| ifs(state).is_blank(byte));
        if vanishes && state.dialect.last_empty_parameter_stays && !text.has_hole() {
            self.last_empty = Some(Origin::new(Rule::Parameter, span));
        }
    }
}

/// The key of an associative array that an index is, whose quotes belong to it where the shell has it so.
pub(crate) fn key_text(cx: &mut dyn Context, index: &Arithmetic) -> Result<Text, Stop> {
    let span = index.word.span;
    if cx.state().dialect.keys_keep_quotes {
        let written = cx.state().sources.bytes(span).to_vec();
        let dialect = cx.state().dialect.clone();
        let word = Parser::new(&written, span.source, &dialect).whole_text(span)?;
        return single(cx, &word, Tilde::Never);
    }
    listed_key(cx, index)
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
    arithmetic::text_value(cx, text.bytes(), span).map(Some)
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
    let word = match keyed && !dialect.keys_keep_quotes {
        true => parser.whole_word(span)?,
        false => parser.whole_text(span)?,
    };
    single(cx, &word, Tilde::Never)
}

/// Whether an operation on `$*` leaves a list that quotes do not join beside a `$@`.
fn comes_apart(operation: &Operation) -> bool {
    match operation {
        Operation::Remove { longest, pattern, .. } => *longest || !pattern.parts.is_empty(),
        Operation::Substring { .. }
        | Operation::Case { .. }
        | Operation::Replace { .. }
        | Operation::Transform(_) => true,
        _ => false,
    }
}
