//! Words that are nothing but one parameter with a plain value: most expansions of most scripts.
//!
//! A short way through the stages for values that none of them changes. Where what each stage makes
//! is kept, or anything else about the word or its value matters, there is no short way.

use crate::expand::substitute::standing_of_values;
use crate::expand::{Context, record};
use crate::lineage::{Hop, Rule};
use crate::state::State;
use crate::syntax::ast::{Operation, Parameter, ParameterName, Part, Word};
use crate::text::Text;
use crate::trace::Expansion;

/// The one field that such a word makes.
pub(super) fn field(cx: &mut dyn Context, word: &Word) -> Option<Text> {
    let [Part::Parameter(parameter)] = &word.parts[..] else { return None };
    let is_value = matches!(parameter.operation, Operation::Value) && parameter.index.is_none();
    if !is_value || cx.state().keeps_stages {
        return None;
    }
    let field = value(cx.state(), parameter)?;
    record(cx, || Expansion {
        rule: Rule::Parameter,
        span: parameter.span,
        name: Some(parameter.name.to_bytes()),
        quoted: false,
        count: 1,
        filled: 1,
    });
    Some(field)
}

fn value(state: &State, parameter: &Parameter) -> Option<Text> {
    let standing = standing_of_values(state);
    let shifted = match parameter.name {
        ParameterName::Positional(_) => state.positional.shifted(),
        _ => 0,
    };
    let through = |text: &Text| {
        let plain = is_plain(text) && !(standing.is_split() && is_split(text, state));
        plain.then(|| {
            let name = Some(parameter.name.to_bytes());
            let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted };
            text.passed_through(&hop, standing)
        })
    };
    match &parameter.name {
        ParameterName::Variable(name) => through(state.variables.plain(name)?),
        ParameterName::Positional(0) => None,
        ParameterName::Positional(number) => through(&*state.positional.get(*number)?),
        ParameterName::Special(b'#') => through(&state.shell_number(state.positional.count())),
        ParameterName::Special(_) | ParameterName::Inside(_) => None,
    }
}

/// Whether no stage but field splitting looks at any of these characters.
fn is_plain(text: &Text) -> bool {
    let unmoved = |byte: &u8| byte.is_ascii_alphanumeric() || matches!(byte, b'_' | b'.' | b'/');
    !text.is_empty() && !text.has_hole() && text.bytes().iter().all(unmoved)
}

/// Whether a separator is among the (plain) bytes.
fn is_split(text: &Text, state: &State) -> bool {
    let separators = state.variables.separators();
    separators.is_some_and(|separators| text.bytes().iter().any(|byte| separators.contains(byte)))
}
