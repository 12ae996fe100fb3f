//! `enable` and `disable`: utilities that the shell forgets and knows again.

use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::process::unpredictable;

/// `enable [-n] [name]...` of bash, `enable [name]...` and `disable [name]...` of zsh (bash manual, bash builtins;
/// zshbuiltins).
pub(super) fn enable(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.enable_letters, false);
    if given.unknown.is_some() {
        return Ok(walker.complain(call, walker.state.dialect.option_usage_status));
    }
    let forgets = call.bytes(0) == Some(b"disable") || given.has(b'n');
    if given.has(b'p') && walker.state.dialect.patterns_can_be_disabled {
        return disable_patterns(walker, call, given.operands, forgets);
    }
    if given.operands.is_empty() || given.letters().any(|letter| letter != b'n') {
        return unpredictable(walker, call);
    }
    let mut status = 0;
    for name in given.operands {
        let state = &mut walker.state;
        if state.dialect.utility(name.bytes()).is_none() {
            status = walker.complain(call, 1);
            continue;
        }
        state.forgotten.retain(|one| **one != *name.bytes());
        if forgets {
            state.forgotten.push(name.bytes().into());
        }
    }
    Ok(status)
}

/// `disable -p operator...` and `enable -p operator...`: what means nothing in patterns any more. Without operators
/// those are told that are switched on or off.
fn disable_patterns(
    walker: &mut Walker,
    call: &Call<'_>,
    operators: &[Text],
    off: bool,
) -> Result<Status, Stop> {
    if operators.is_empty() {
        return unpredictable(walker, call);
    }
    for operator in operators {
        if !walker.state.disabled_patterns.set(operator.bytes(), off) {
            return Err(walker.fatal(call, "this is no operator of patterns"));
        }
    }
    Ok(0)
}
