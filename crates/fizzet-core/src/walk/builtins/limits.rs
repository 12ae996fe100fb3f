//! `ulimit` (POSIX XCU ulimit): the limits that the script sets are known, those of the machine are not.

use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::process::unpredictable;

/// The resources that have a limit.
const RESOURCES: &[u8] = b"RPbcdefiklmnpqrstuvwx";

/// `ulimit [-HS] [-resource] [limit]`
pub(super) fn ulimit(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = call.given("HSTRPabcdefiklmnpqrstuvwx", false);
    if given.unknown.is_some() {
        return Ok(dialect.ulimit_usage_status);
    }
    let mut resources = RESOURCES.iter().copied().filter(|&letter| given.has(letter));
    let resource = resources.next().unwrap_or(b'f');
    if resources.next().is_some() || given.has(b'a') || given.operands.len() > 1 {
        return unpredictable(walker, call);
    }
    let Some(limit) = given.operands.first() else {
        let known = walker.state.resources.get(&(resource, given.has(b'H'))).cloned();
        let Some(known) = known else { return unpredictable(walker, call) };
        walker.print_line(known, call);
        return Ok(0);
    };
    let Some(limit) = shown(limit) else {
        return match limit.has_hole() || matches!(limit.bytes(), b"hard" | b"soft") {
            true => unpredictable(walker, call),
            false => Ok(dialect.ulimit_number_status),
        };
    };
    // Without -H and -S both are meant, or the soft one alone.
    let neither = !given.has(b'H') && !given.has(b'S');
    let hard = given.has(b'H') || (neither && dialect.ulimit_sets_both);
    let soft = given.has(b'S') || neither;
    for (kind, is_meant) in [(true, hard), (false, soft)] {
        if is_meant {
            walker.state.resources.insert((resource, kind), limit.clone());
        }
    }
    Ok(0)
}

/// A limit as it is told: a number without zeros before it, or `unlimited`.
fn shown(limit: &Text) -> Option<Text> {
    let bytes = limit.bytes();
    if bytes == b"unlimited" {
        return Some(limit.clone());
    }
    let is_number = !bytes.is_empty() && bytes.iter().all(u8::is_ascii_digit);
    let zeros = bytes.iter().take_while(|byte| **byte == b'0').count();
    let from = zeros.min(bytes.len().saturating_sub(1));
    (is_number && !limit.has_hole()).then(|| limit.slice(from, limit.len()))
}
