//! What can be said of texts that have holes: more than nothing, mostly.

use std::cmp::Ordering;

use crate::expand::pattern::Pattern;
use crate::text::Text;

/// Whether a text has a byte; `None` if nobody knows. What the shell itself tells, a number mostly, has.
pub(crate) fn is_filled(text: &Text) -> Option<bool> {
    let told = text.runs().any(|(run, _)| run.hole && run.is_told());
    match text.has_hole() {
        false => Some(!text.is_empty()),
        true => (told || !text.is_empty()).then_some(true),
    }
}

/// Whether two texts are the same; `None` if nobody knows.
pub(crate) fn are_same(one: &Text, other: &Text) -> Option<bool> {
    if !one.has_hole() && !other.has_hole() {
        return Some(one.bytes() == other.bytes());
    }
    if let (Some(one), Some(other)) = (one.marked_bytes(), other.marked_bytes())
        && one == other
    {
        return Some(true);
    }
    let differ = ends_differ(one, other)
        || are_other_processes(one, other)
        || (!one.has_hole() && one.len() < other.len())
        || (!other.has_hole() && other.len() < one.len())
        || is_filled(one).zip(is_filled(other)).is_some_and(|(one, other)| one != other);
    differ.then_some(false)
}

/// Which of two texts comes first; `None` if nobody knows.
pub(crate) fn order(one: &Text, other: &Text) -> Option<Ordering> {
    let ((one, _), (other, _)) = (known(one), known(other));
    let shared = one.len().min(other.len());
    Some(one[..shared].cmp(&other[..shared])).filter(|order| order.is_ne())
}

/// Whether two texts are the numbers of two processes that live at one time.
fn are_other_processes(one: &Text, other: &Text) -> bool {
    let process =
        |text: &Text| text.lone_hole().filter(|_| text.runs().all(|(run, _)| run.is_told()));
    process(one).zip(process(other)).is_some_and(|(one, other)| one != other)
}

/// Whether a pattern matches a text with holes; `None` if nobody knows.
pub(crate) fn is_matched(pattern: &Pattern, text: &Text) -> Option<bool> {
    let (start, end) = known(text);
    if let Some(literal) = pattern.literal() {
        let fits = literal.len() >= text.len()
            && literal.starts_with(start)
            && literal.ends_with(end)
            && !(literal.is_empty() && is_filled(text) == Some(true));
        return if fits { None } else { Some(false) };
    }
    let (opens, ends) = pattern.stars_at_ends();
    // What the star takes in need not be known.
    if (ends && pattern.matches(start)) || (opens && pattern.matches(end)) {
        return Some(true);
    }
    let (begins, closes) = (pattern.literal_start(), pattern.literal_end());
    let (shared, behind) = (begins.len().min(start.len()), closes.len().min(end.len()));
    let differs = begins[..shared] != start[..shared]
        || closes[closes.len() - behind..] != end[end.len() - behind..];
    (differs && !pattern.is_loose()).then_some(false)
}

/// Where the first hole of a text is, and where the last one is.
pub(super) fn known_ends(text: &Text) -> (usize, usize) {
    let mut holes = text.runs().filter(|(run, _)| run.hole).map(|(run, _)| run.end as usize);
    let first = holes.next().unwrap_or(text.len());
    (first, holes.last().unwrap_or(first))
}

/// The bytes before the first hole of a text and those behind its last one; all of a text without holes.
fn known(text: &Text) -> (&[u8], &[u8]) {
    let bytes = text.bytes();
    let (first, last) = known_ends(text);
    (&bytes[..first], if text.has_hole() { &bytes[last..] } else { bytes })
}

/// Whether two texts differ where both are known, at their starts or at their ends.
fn ends_differ(one: &Text, other: &Text) -> bool {
    let ((start, end), (other_start, other_end)) = (known(one), known(other));
    let shared = start.len().min(other_start.len());
    let behind = end.len().min(other_end.len());
    start[..shared] != other_start[..shared]
        || end[end.len() - behind..] != other_end[other_end.len() - behind..]
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::dialect::{Dialect, Shell};
    use crate::expand::pattern::PatternRules;
    use crate::lineage::{Origin, Rule};
    use crate::source::{SourceId, Span};
    use crate::text::{HoleName, Standing};

    fn text(before: &str, name: Option<HoleName>, after: &str) -> Text {
        let origin = Origin::new(Rule::Output, Span::new(SourceId::MAIN, 0, 0));
        let mut text = Text::copied(before.as_bytes(), Standing::Quoted, origin.clone());
        text.push_named_hole(name, Standing::Quoted, &origin);
        text.push(after.as_bytes(), Standing::Quoted, &origin);
        text
    }

    fn plain(bytes: &str) -> Text {
        let origin = Origin::new(Rule::Literal, Span::new(SourceId::MAIN, 0, 0));
        Text::copied(bytes.as_bytes(), Standing::Quoted, origin)
    }

    #[test]
    fn the_same_hole_is_the_same_and_known_ends_tell_others_apart() {
        let named = Some(HoleName::SHELL_NUMBER);
        let jar = text("jar.", named, ".csv");
        assert_eq!(are_same(&jar, &text("jar.", named, ".csv")), Some(true));
        assert_eq!(are_same(&jar, &text("jar.", None, ".csv")), None);
        for other in ["lid.1.csv", "jar.1.txt", "jar.csv", ""] {
            assert_eq!(are_same(&jar, &plain(other)), Some(false), "{other}");
        }
        assert_eq!(are_same(&jar, &plain("jar.77.csv")), None);
        assert_eq!(are_same(&plain("a"), &plain("a")), Some(true));
    }

    #[test]
    fn bytes_around_a_hole_fill_a_text() {
        assert_eq!(is_filled(&text("", None, "")), None);
        assert_eq!(is_filled(&text("", None, "x")), Some(true));
        assert_eq!(is_filled(&plain("")), Some(false));
    }

    #[test]
    fn stars_take_in_what_is_not_known() {
        let rules = PatternRules::new(&Dialect::of(Shell::Dash), true);
        let matched = |pattern: &str, text: &Text| {
            let pattern = Pattern::new(pattern.as_bytes(), &vec![false; pattern.len()], rules);
            is_matched(&pattern, text)
        };
        let path = text("/tmp/jar.", None, ".csv");
        for (pattern, expected) in [
            ("/tmp/*", Some(true)),
            ("*.csv", Some(true)),
            ("/var/*", Some(false)),
            ("/tmp/jar.1.csv", None),
            ("/tmp/jar.?.csv", None),
            ("*.txt", Some(false)),
            ("*.?sv", Some(true)),
            ("", Some(false)),
        ] {
            assert_eq!(matched(pattern, &path), expected, "{pattern}");
        }
    }
}
