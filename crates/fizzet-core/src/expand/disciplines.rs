//! Functions that stand between a variable and what reads or changes it (ksh93 manual, "Discipline Functions"):
//! `NAME.get`, `NAME.set`, `NAME.append` and `NAME.unset`.
//!
//! In the function `.sh.name` is the variable, `.sh.subscript` the key of its element, and `.sh.value` the value that
//! is read or assigned, which the function may change. While it runs, the variable is read and changed directly.

use std::rc::Rc;

use crate::expand::Context;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Key, Variable};
use crate::stop::Stop;
use crate::text::{Standing, Text};

/// What the variable is called that a function finds the value in.
const VALUE: &[u8] = b".sh.value";

/// What a function finds out about the variable.
const TOLD: [&[u8]; 3] = [b".sh.name", b".sh.subscript", VALUE];

/// What can be done to a variable, as it ends the name of a function.
const KINDS: [&[u8]; 5] = [b"get", b"set", b"append", b"unset", b"getn"];

/// What the name of a function makes of it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(crate) enum Named<'a> {
    /// A function like others.
    Plainly,
    /// One that stands between this variable and what reads or changes it.
    For(&'a [u8]),
    /// One for a variable, of a kind that there is not.
    Unfit,
}

/// What the name of a function makes of it.
pub(crate) fn named(function: &[u8]) -> Named<'_> {
    let Some(dot) = function.iter().rposition(|&byte| byte == b'.').filter(|&dot| dot > 0) else {
        return Named::Plainly;
    };
    let (variable, kind) = (&function[..dot], &function[dot + 1..]);
    match (variable.starts_with(b"."), KINDS.contains(&kind)) {
        // A name in a namespace.
        (true, false) => Named::Plainly,
        (_, true) => Named::For(variable),
        (false, false) => Named::Unfit,
    }
}

/// The value that a variable shows, where a function gives it one.
///
/// # Errors
/// Those of the function.
pub(crate) fn shown(
    cx: &mut dyn Context,
    name: &[u8],
    key: Option<&[u8]>,
    span: Span,
) -> Result<Option<Text>, Stop> {
    match function_for(cx, name, b"get") {
        Some(function) => run(cx, (name, key), function, None, span),
        None => Ok(None),
    }
}

/// Whether a function gives a variable its value, which makes it set.
pub(crate) fn is_shown(cx: &mut dyn Context, name: &[u8]) -> bool {
    function_for(cx, name, b"get").is_some()
}

/// What is assigned for a value, where a function may change it; nothing where the function wants no assignment.
///
/// # Errors
/// Those of the function.
pub(crate) fn assigned(
    cx: &mut dyn Context,
    name: &[u8],
    key: Option<&Key>,
    value: Text,
    span: Span,
) -> Result<Option<Text>, Stop> {
    match function_for(cx, name, b"set") {
        Some(function) => {
            let key = key.map(Key::to_bytes);
            run(cx, (name, key.as_deref()), function, Some(value), span)
        }
        None => Ok(Some(value)),
    }
}

/// What is added to a value.
///
/// # Errors
/// Those of the function.
pub(crate) fn appended(
    cx: &mut dyn Context,
    name: &[u8],
    key: Option<&Key>,
    value: Text,
    span: Span,
) -> Result<Text, Stop> {
    match function_for(cx, name, b"append") {
        Some(function) => {
            let key = key.map(Key::to_bytes);
            let added = run(cx, (name, key.as_deref()), function, Some(value), span)?;
            Ok(added.unwrap_or_default())
        }
        None => Ok(value),
    }
}

/// A variable is about to be unset.
///
/// # Errors
/// Those of the function.
pub(crate) fn leaving(cx: &mut dyn Context, name: &[u8], span: Span) -> Result<(), Stop> {
    if let Some(function) = function_for(cx, name, b"unset") {
        run(cx, (name, None), function, None, span)?;
    }
    Ok(())
}

/// Assigns a value by way of the function for it: [`crate::state::State::store`].
///
/// # Errors
/// Those of the function, and those of the assignment.
pub(crate) fn store(
    cx: &mut dyn Context,
    name: &[u8],
    key: Option<Key>,
    value: Text,
    span: Span,
) -> Result<(), Stop> {
    match assigned(cx, name, key.as_ref(), value, span)? {
        Some(value) => cx.state().store(name, key, value, span),
        None => Ok(()),
    }
}

/// The function for what is done to a variable, unless it is running.
fn function_for(cx: &mut dyn Context, name: &[u8], kind: &[u8]) -> Option<Rc<[u8]>> {
    let state = cx.state();
    let variable = state.variables.disciplined(name)?;
    if variable.read_only && kind != b"get" {
        return None;
    }
    let function: Rc<[u8]> = [name, b".", kind].concat().into();
    let runs = state.disciplines_at_work.contains(&function);
    (!runs && state.functions.contains_key(&function)).then_some(function)
}

/// Calls a function with what it finds out; answers what it leaves as the value.
fn run(
    cx: &mut dyn Context,
    (name, key): (&[u8], Option<&[u8]>),
    function: Rc<[u8]>,
    value: Option<Text>,
    span: Span,
) -> Result<Option<Text>, Stop> {
    let state = cx.state();
    let before = TOLD.map(|told| state.variables.remove(told));
    let tell = |text: Text| Some(Variable::holding(crate::state::Value::Scalar(text)));
    let (shown_name, shown_key) = (state.shell_text(name), state.shell_text(key.unwrap_or(b"")));
    let hop = Hop { rule: Rule::Stored, span, name: Some(VALUE.into()), shifted: 0 };
    let value = value.map(|value| value.passed_through(&hop, Standing::Quoted));
    let told = [tell(shown_name), tell(shown_key), value.and_then(tell)];
    for (name, variable) in TOLD.into_iter().zip(told) {
        state.variables.restore(name, variable);
    }
    state.disciplines_at_work.push(function.clone());
    let called = cx.state().shell_text(&function);
    let outcome = cx.call_function(&function, vec![called], span);
    let state = cx.state();
    state.disciplines_at_work.pop();
    let left = state.variables.scalar(VALUE).cloned();
    for (name, variable) in TOLD.into_iter().zip(before) {
        state.variables.restore(name, variable);
    }
    outcome.map(|()| left)
}
