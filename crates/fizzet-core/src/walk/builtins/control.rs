//! `break`, `continue`, `exit`, `return`, `eval`, `command`.

use crate::source::SourceKind;
use crate::stop::Stop;
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `break [n]`, `continue [n]`
pub(super) fn leave_loop(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let levels = match call.bytes(1) {
        None => 1,
        Some(text) => match number(text) {
            Some(levels @ 1..) => u32::try_from(levels).unwrap_or(u32::MAX),
            _ => return walker.usage(call, "a number of loops was expected"),
        },
    };
    Err(match call.bytes(0) {
        Some(b"break") => Stop::Break(levels),
        _ => Stop::Continue(levels),
    })
}

/// `exit [status]`, `return [status]`
pub(super) fn exit(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let status = match call.bytes(1) {
        None => walker.state.status,
        Some(text) => match number(text) {
            Some(status) => status as u8,
            None => return walker.usage(call, "a status was expected"),
        },
    };
    Err(match call.bytes(0) {
        Some(b"exit") => Stop::Exit(status),
        _ => Stop::Return(status),
    })
}

/// `eval text...`: the arguments joined with spaces are read again.
pub(super) fn eval(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let mut text = Vec::new();
    for (at, argument) in call.arguments().iter().enumerate() {
        if at > 0 {
            text.push(b' ');
        }
        text.extend_from_slice(argument.bytes());
    }
    if text.iter().all(u8::is_ascii_whitespace) {
        return Ok(0);
    }
    let source = walker.state.sources.add(SourceKind::Built("eval"), &text);
    walker.source(source)?;
    Ok(walker.state.status)
}

/// `command name ...`, `builtin name ...`: functions do not count.
pub(super) fn command(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let operands: &[Text] = call.operands();
    let is_option = call.arguments().len() > operands.len();
    let Some(name) = operands.first() else { return Ok(0) };
    if is_option {
        expand_missing(walker, call);
        return Ok(0);
    }
    if walker.state.dialect.utility(name.bytes()).is_some() {
        return walker.builtin(operands, call.span);
    }
    walker.external(operands.to_vec(), call.span);
    Ok(0)
}

fn expand_missing(walker: &mut Walker, call: &Call<'_>) {
    crate::expand::Context::missing(walker, "what command -v finds", call.span);
}

/// A decimal number with an optional sign and blanks around it.
pub(super) fn number(text: &[u8]) -> Option<i64> {
    std::str::from_utf8(text).ok()?.trim().parse().ok()
}
