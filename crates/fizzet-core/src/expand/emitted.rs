//! How what a parameter holds gets into the word: whole, as fields, or joined to one text.

use crate::expand::parameter::Held;
use crate::expand::substitute::{Break, Joiner, MARK, Place, Substitution};
use crate::expand::{Ifs, ifs, record, split_value, split_with_ends, whole};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::{Operation, Parameter, ParameterName};
use crate::text::{Standing, Text};
use crate::trace::Expansion;

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
                if self.splits_joined_lists(place) {
                    return self.split_list(parameter.span, &items, place);
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

    /// Whether a list is joined here before it is split.
    fn splits_joined_lists(&mut self, place: Place) -> bool {
        let splits = matches!(place.expanded(), Standing::Splittable | Standing::Inert);
        let state = self.cx.state();
        splits && place.fields && state.dialect.lists_are_joined_to_split && !ifs(state).is_empty()
    }

    /// A list that is joined and split again: what is empty between two separators stays.
    fn split_list(&mut self, span: Span, items: &[Text], place: Place) -> Result<(), Stop> {
        let mut text = self.joined_list(items, span);
        if !place.distributes {
            text.set_standing(place.expanded());
            return self.push_text(&text);
        }
        text.set_standing(Standing::Inert);
        let ifs = ifs(self.cx.state());
        let pieces = split_value(text, &ifs, self.cx.state());
        let expansion = match place.expansion {
            Standing::Splittable => Standing::Value,
            _ => Standing::Quoted,
        };
        self.list(span, pieces, false, Place { expansion, ..place })
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
        if let Some(ifs) = self.splitters.joiner_of_lists(self.cx.state())
            && !place.quoted
            && place.fields
        {
            let mut text = whole::joined(&items, ifs.joiner(), span);
            text.set_standing(place.expanded());
            return self.push_text(&text);
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
        let ifs = self.splitters.joining().unwrap_or_else(|| ifs(self.cx.state()));
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
        let (between, _) = backslashes_between(items, escaped);
        for (text, backslash) in items.iter_mut().skip(1).zip(between) {
            let is_escaped = || text.bytes().first().is_some_and(|first| escaped.contains(first));
            if backslash.is_shown || (backslash.hides && is_escaped()) {
                let origin = Origin::new(Rule::Join, span);
                let mut whole = Text::from_bytes(b"\\", Standing::Quoted, origin);
                whole.push_text(text);
                *text = whole;
            }
        }
    }

    /// The items of such a `"$*"` in a pattern, where the backslashes are live: `a\d` matches a digit.
    fn pattern_list(&mut self, span: Span, items: &[Text], place: Place) -> Result<(), Stop> {
        let origin = Origin::new(Rule::Join, span);
        let escaped = self.cx.state().dialect.unjoined_star_escapes.as_bytes();
        let (between, open) = backslashes_between(items, escaped);
        let mut between = between.into_iter();
        for (at, text) in items.iter().enumerate() {
            let backslash =
                if at > 0 { between.next().unwrap_or_default() } else { Backslash::default() };
            if backslash.is_shown {
                self.push(b"\\", place.expanded(), &origin)?;
            }
            let Some(first) = text.bytes().first().filter(|_| backslash.hides) else {
                self.push_standing(text, place.expanded())?;
                continue;
            };
            // It hides the backslash of the byte, or the byte.
            let live = match escaped.contains(first) {
                true => place.expanded(),
                false => place.expansion,
            };
            self.push(b"\\", live, &origin)?;
            self.push_standing(&text.slice(0, 1), place.expansion)?;
            self.push_standing(&text.slice(1, text.len()), place.expanded())?;
        }
        match open {
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

/// What the backslash before an item does.
#[derive(Clone, Copy, Default)]
struct Backslash {
    /// The one before it shows, which it hides.
    is_shown: bool,
    /// It hides what comes first in the item.
    hides: bool,
}

/// The backslashes that stand between items where the shell escapes some bytes, and whether the last one has
/// nothing to hide.
fn backslashes_between(items: &[Text], escaped: &[u8]) -> (Vec<Backslash>, bool) {
    if escaped.is_empty() {
        return (Vec::new(), false);
    }
    let mut waits = false;
    let between = items.iter().skip(1).map(|text| {
        let is_shown = waits;
        let hides = !waits && !text.is_empty();
        waits = !waits && text.is_empty();
        Backslash { is_shown, hides }
    });
    (between.collect(), waits)
}
