//! `export`, `readonly`, `local`, `typeset`, `declare`, `unset`, `let`.

use crate::expand::arithmetic;
use crate::lineage::{Hop, Rule};
use crate::state::Value;
use crate::stop::Stop;
use crate::syntax::is_name;
use crate::text::Standing;
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `export name[=value]...` and its kin; `local` and `typeset` make variables of the function.
pub(super) fn declare(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let utility = call.bytes(0).unwrap_or_default();
    let letters: Vec<u8> = call.arguments()[..call.arguments().len() - call.operands().len()]
        .iter()
        .flat_map(|option| option.bytes().to_vec())
        .collect();
    let has = |letter: u8| letters.contains(&letter);
    let exports = utility == b"export" || has(b'x');
    let freezes = utility == b"readonly" || has(b'r');
    let global = matches!(utility, b"export" | b"readonly") || has(b'g');
    for operand in call.operands() {
        let bytes = operand.bytes();
        let equals = bytes.iter().position(|&byte| byte == b'=');
        let name = &bytes[..equals.unwrap_or(bytes.len())];
        let (name, appends) = match name.strip_suffix(b"+") {
            Some(name) if equals.is_some() => (name, true),
            _ => (name, false),
        };
        if !is_name(name) {
            return Ok(1);
        }
        if !global && let Some(scope) = walker.scopes.last_mut() {
            let hidden = walker.state.variables.get(name).cloned();
            if !scope.hidden.iter().any(|(known, _)| **known == *name) {
                scope.hidden.push((name.into(), hidden));
            }
            if !walker.state.dialect.local_inherits && equals.is_none() {
                walker.state.variables.entry(name).value = Value::Nothing;
            }
        }
        if has(b'A') {
            walker.state.variables.entry(name).value = Value::Associative(Vec::new());
        }
        if let Some(equals) = equals {
            let value = operand.slice(equals + 1, bytes.len());
            let hop =
                Hop { rule: Rule::Stored, span: call.span, name: Some(name.into()), shifted: 0 };
            let mut stored = value.passed_through(&hop, Standing::Quoted);
            if appends && let Some(before) = walker.state.variables.scalar(name) {
                let mut joined = before.clone();
                joined.push_text(&stored);
                stored = joined;
            }
            walker.state.store(name, None, stored, call.span)?;
        }
        let variable = walker.state.variables.entry(name);
        variable.exported |= exports && !has(b'n');
        variable.read_only |= freezes;
    }
    Ok(0)
}

/// `unset [-fv] name...`
pub(super) fn unset(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let functions = call.bytes(1) == Some(b"-f");
    let mut status = 0;
    for operand in call.operands() {
        let name = operand.bytes();
        if functions {
            walker.state.functions.remove(name);
            continue;
        }
        if let Some(open) = name.iter().position(|&byte| byte == b'[')
            && name.ends_with(b"]")
        {
            let index = name[open + 1..name.len() - 1].to_vec();
            let key = walker.state.element_key(&name[..open], &index, call.span)?;
            walker.state.variables.remove_element(&name[..open], &key);
            continue;
        }
        if walker.state.variables.get(name).is_some_and(|variable| variable.read_only) {
            if walker.state.dialect.unset_read_only_is_fatal {
                return Err(walker.fatal(call, "the variable is read-only"));
            }
            status = 1;
            continue;
        }
        walker.state.variables.remove(name);
    }
    Ok(status)
}

/// `let expression...`
pub(super) fn evaluate(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let mut value = 0;
    for expression in call.arguments() {
        value = arithmetic::text_value(&mut walker.state, expression.bytes(), call.span)?;
    }
    Ok(u8::from(value == 0))
}
