//! What a match leaves behind: its text and its places in MATCH, MBEGIN and MEND, those of its groups in arrays of the
//! names in small letters (zshexpn, "Globbing Flags": `(#b)` and `(#m)`; zshmisc, "Conditional Expressions": `=~`).

use crate::expand::pattern::Pattern;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Key, State, Value, Variable};
use crate::stop::Stop;
use crate::text::{Standing, Text, character_count};

/// The bytes of a match or a group, from its first to behind its last.
type Range = (usize, usize);

/// Keeps what a pattern tells of a match, if it tells anything.
pub(crate) fn keep_match(
    state: &mut State,
    pattern: &Pattern,
    value: &Text,
    found: Range,
    span: Span,
) -> Result<(), Stop> {
    if let Some(name) = state.dialect.match_variable {
        record_match(state, name, value.slice(found.0, found.1), span);
    }
    if state.dialect.patterns_fill_match_array {
        return fill_match_array(state, pattern, value, found, span);
    }
    if !pattern.tells() {
        return Ok(());
    }
    let groups = pattern.groups(value.bytes(), found);
    let whole = pattern.tells_whole().then_some(found);
    keep_places(state, value, (whole, &groups), span)
}

/// Keeps what a pattern and its groups have matched in an array, up to the last group that has matched something.
fn fill_match_array(
    state: &mut State,
    pattern: &Pattern,
    value: &Text,
    found: Range,
    span: Span,
) -> Result<(), Stop> {
    let mut groups = match pattern.has_groups() {
        true => pattern.telling_groups().groups(value.bytes(), found),
        false => Vec::new(),
    };
    let count = groups.iter().rposition(Option::is_some).map_or(0, |last| last + 1);
    groups.truncate(count);
    let part =
        |one: Option<Range>| one.map_or_else(Text::new, |(start, end)| value.slice(start, end));
    let parts = [Some(found)].into_iter().chain(groups).map(part).collect();
    store_list(state, state.dialect.match_array.as_bytes(), parts, span)
}

/// The array that patterns fill, as it is now.
pub(super) fn match_array(state: &State) -> Option<Variable> {
    state.variables.itself(state.dialect.match_array.as_bytes()).cloned()
}

/// Makes it what it was.
pub(super) fn put_match_array(state: &mut State, before: Option<Variable>) {
    let name = state.dialect.match_array.as_bytes();
    state.variables.restore(name, before);
}

/// Takes all elements out of it.
pub(super) fn clear_match_array(state: &mut State, span: Span) -> Result<(), Stop> {
    store_list(state, state.dialect.match_array.as_bytes(), Vec::new(), span)
}

/// Keeps what a pattern has matched in a variable that nobody else can change.
fn record_match(state: &mut State, name: &str, matched: Text, span: Span) {
    let hop = Hop { rule: Rule::Stored, span, name: Some(name.as_bytes().into()), shifted: 0 };
    let value = Value::Scalar(matched.passed_through(&hop, Standing::Quoted));
    let variable = Variable { read_only: true, ..Variable::holding(value) };
    state.variables.restore(name.as_bytes(), Some(variable));
}

/// Keeps the places of a match and of its groups.
pub(crate) fn keep_places(
    state: &mut State,
    value: &Text,
    (whole, groups): (Option<Range>, &[Option<Range>]),
    span: Span,
) -> Result<(), Stop> {
    let utf8 = state.utf8();
    let count = move |to: usize| character_count(&value.bytes()[..to], utf8);
    let first = i64::from(!state.dialect.zero_is_first);
    let begin = move |(start, _): Range| count(start) as i64 + first;
    let end = move |(_, end): Range| count(end) as i64 - 1 + first;
    let number = |state: &State, number: i64| state.shell_text(number.to_string().as_bytes());
    if let Some(whole) = whole {
        let (start, last) = (number(state, begin(whole)), number(state, end(whole)));
        let matched = value.slice(whole.0, whole.1);
        for (name, text) in [(&b"MATCH"[..], matched), (b"MBEGIN", start), (b"MEND", last)] {
            let hop = Hop { rule: Rule::Stored, span, name: Some(name.into()), shifted: 0 };
            state.store(name, None, text.passed_through(&hop, Standing::Quoted), span)?;
        }
    }
    if groups.is_empty() {
        return Ok(());
    }
    let part =
        |one: &Option<Range>| one.map_or_else(Text::new, |(start, end)| value.slice(start, end));
    store_list(state, b"match", groups.iter().map(part).collect(), span)?;
    let places = |state: &State, place: &dyn Fn(Range) -> i64| {
        groups.iter().map(|one| number(state, one.map_or(-1, place))).collect::<Vec<_>>()
    };
    let (begins, ends) = (places(state, &begin), places(state, &end));
    store_list(state, b"mbegin", begins, span)?;
    store_list(state, b"mend", ends, span)
}

/// Makes a variable an array of texts.
pub(crate) fn store_list(
    state: &mut State,
    name: &[u8],
    texts: Vec<Text>,
    span: Span,
) -> Result<(), Stop> {
    state.check_writable(name, span)?;
    let first = state.dialect.first_index;
    let variable = state.variables.entry(name);
    (variable.value, variable.bare) = (Value::Indexed(Default::default()), false);
    for (at, text) in texts.into_iter().enumerate() {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.into()), shifted: 0 };
        let text = text.passed_through(&hop, Standing::Quoted);
        state.store(name, Some(Key::Number(at as i64 + first)), text, span)?;
    }
    Ok(())
}
