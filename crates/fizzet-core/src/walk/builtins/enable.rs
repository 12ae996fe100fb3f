//! `enable` and `disable`: utilities that the shell forgets and knows again.

use crate::dialect::{UtilityKind, utility_names};
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
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
    let lists = |letter: &u8| matches!(letter, b'a' | b'n' | b'p' | b's');
    if given.operands.is_empty()
        && walker.state.dialect.enable_lists_calls
        && given.letters().all(|letter| lists(&letter))
    {
        tell_utilities(walker, call, |letter| given.has(letter));
        return Ok(0);
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

/// Lists the utilities of bash as calls: those that it knows, with `-n` those that it has forgotten, with `-a` all, with
/// `-s` only the special ones.
fn tell_utilities(walker: &mut Walker, call: &Call<'_>, has: impl Fn(u8) -> bool) {
    let state = &walker.state;
    let is_special =
        |name: &str| state.dialect.utility(name.as_bytes()) == Some(UtilityKind::Special);
    let mut names: Vec<&str> = utility_names(state.dialect.shell).collect();
    names.sort_unstable();
    let mut told = String::new();
    for name in names {
        let forgotten = state.forgotten.iter().any(|one| **one == *name.as_bytes());
        let special = is_special(name) || name == "source";
        if (has(b's') && !special) || (!has(b'a') && forgotten != has(b'n')) {
            continue;
        }
        told += &format!("enable {}{name}\n", if forgotten { "-n " } else { "" });
    }
    if !told.is_empty() {
        let origin = Origin::new(Rule::Output, call.span);
        walker.write(Text::from_bytes(told, Standing::Quoted, origin));
    }
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
