//! Literals with a tilde that go on behind line continuations.

use crate::source::{Sources, Span};
use crate::syntax::ast::Part;

/// Parts in which a literal with a tilde goes on behind line continuations, with that literal as one.
pub(super) fn joined_behind_tilde(sources: &Sources, parts: &[Part]) -> Option<Vec<Part>> {
    let goes_on = |one: &Part, next: &Part| match (one, next) {
        (Part::Literal { span, .. }, Part::Literal { span: next, .. }) => {
            let gap = Span { start: span.end, end: next.start, ..*span };
            span.source == next.source
                && span.end < next.start
                && sources.bytes(gap).chunks(2).all(|two| two == b"\\\n")
        }
        _ => false,
    };
    let has_tilde =
        |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'~'));
    let begins = |two: &[Part]| has_tilde(&two[0]) && goes_on(&two[0], &two[1]);
    if !parts.windows(2).any(begins) {
        return None;
    }
    let mut joined: Vec<Part> = Vec::with_capacity(parts.len());
    let mut rest = parts;
    while let [first, behind @ ..] = rest {
        let more = match has_tilde(first) {
            true => rest.windows(2).take_while(|two| goes_on(&two[0], &two[1])).count(),
            false => 0,
        };
        joined.push(if more == 0 { first.clone() } else { as_one(&rest[..=more]) });
        rest = &behind[more..];
    }
    Some(joined)
}

/// Literals that follow each other as one; where its bytes are written is told as a whole.
fn as_one(literals: &[Part]) -> Part {
    let (mut whole, mut span) = (Vec::new(), literals[0].span());
    for part in literals {
        if let Part::Literal { bytes, .. } = part {
            whole.extend_from_slice(bytes);
        }
        span.end = part.span().end;
    }
    Part::Literal { bytes: whole.into(), span }
}
