//! `${@#p}` and its kin where the shell does not change each parameter for itself but takes all of
//! them for one string (observed in dash and busybox sh).
//!
//! Where the parameters stay apart, a NUL stands between two of them; what looks at the string sees
//! its end there.

use crate::expand::ifs;
use crate::expand::parameter::Held;
use crate::expand::substitute::{Place, Substitution};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::syntax::ast::{Parameter, ParameterName};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// A list as the one string that the shell takes it for, if it does.
    pub(super) fn as_whole(&mut self, held: Held, span: Span, place: Place) -> Held {
        let Held::List { items, star } = held else { return held };
        // Where IFS is not set, spaces join them before the operation.
        let is_spaced = !place.quoted && self.cx.state().variables.separators().is_none();
        if place.fields && !(place.quoted && star) && !is_spaced {
            return Held::List { items, star };
        }
        Held::One(self.joined_list(&items, span))
    }

    /// The parameters with the first character of IFS between them.
    pub(super) fn joined_list(&mut self, items: &[Text], span: Span) -> Text {
        let ifs = ifs(self.cx.state());
        joined(items, ifs.joiner(), span)
    }

    /// The keys of an unquoted `${!a[*]}`, which an empty IFS does not keep apart in bash.
    pub(super) fn keys_joined(
        &mut self,
        parameter: &Parameter,
        held: Held,
        joiner: &[u8],
        place: Place,
    ) -> Held {
        let state = self.cx.state();
        let applies = state.dialect.star_keys_are_joined && place.fields && !place.quoted;
        match held {
            Held::List { items, star: true } if applies && ifs(state).is_empty() => {
                Held::One(joined(&items, joiner, parameter.span))
            }
            held => held,
        }
    }

    /// The elements of an array after a removal. Under an empty IFS bash 5.2 joins them with spaces and
    /// leaves its own mark, a byte 1, before each byte that it had to protect.
    pub(super) fn marked(&mut self, parameter: &Parameter, held: Held, place: Place) -> Held {
        let state = self.cx.state();
        let applies = state.dialect.array_removals_leave_marks
            && !place.quoted
            && matches!(parameter.name, ParameterName::Variable(_))
            && ifs(state).is_empty();
        match held {
            Held::List { items, star } if applies && (place.fields || !star) => {
                let mut marked = Vec::with_capacity(items.len());
                for text in &items {
                    let mut with_marks = Text::new();
                    for (at, byte) in text.bytes().iter().enumerate() {
                        if matches!(byte, b' ' | 1 | 127) {
                            with_marks.push_text(&self.computed(parameter, b"\x01"));
                        }
                        with_marks.push_text(&text.slice(at, at + 1));
                    }
                    marked.push(with_marks);
                }
                Held::One(joined(&marked, b" ", parameter.span))
            }
            held => held,
        }
    }
}

pub(super) fn joined(items: &[Text], joiner: &[u8], span: Span) -> Text {
    let origin = Origin::new(Rule::Join, span);
    let mut whole = Text::new();
    for (at, item) in items.iter().enumerate() {
        if at > 0 && !joiner.is_empty() {
            whole.push(joiner, Standing::Quoted, &origin);
        }
        whole.push_text(item);
    }
    whole
}

/// The part `start..end` of the string, with a NUL between two parameters.
pub(super) fn part_of_list(
    items: &[Text],
    span: Span,
    cut: impl FnOnce(&Text) -> Text,
) -> Vec<Text> {
    let part = cut(&joined(items, b"\0", span));
    let mut parts = Vec::new();
    let mut from = 0;
    for (at, _) in part.bytes().iter().enumerate().filter(|(_, byte)| **byte == 0) {
        parts.push(part.slice(from, at));
        from = at + 1;
    }
    parts.push(part.slice(from, part.len()));
    parts
}
