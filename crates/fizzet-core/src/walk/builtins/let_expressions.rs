//! `let`.

use crate::expand::arithmetic;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `let expression...`
pub(super) fn evaluate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut holds = false;
    let expressions = match walker.state.dialect.let_takes_dashes {
        true => call.without_dashes().operands,
        false => call.arguments(),
    };
    let has_option = call.arguments().first().is_some_and(|first| {
        let bytes = first.bytes();
        bytes.len() > 1
            && bytes.starts_with(b"-")
            && bytes != b"--"
            && !call.operands.has_dashes(bytes)
    });
    if expressions.is_empty() || (has_option && walker.state.dialect.let_refuses_options) {
        let status = walker.state.dialect.let_nothing_status;
        return Ok(walker.complain(call, status));
    }
    for expression in expressions {
        holds = match arithmetic::text_holds(walker, expression.bytes(), call.span) {
            Err(Stop::Shell(error))
                if !(error.goes_through && walker.state.dialect.index_mistakes_go_through) =>
            {
                let status = walker.state.dialect.let_mistake_status;
                walker.survive(ShellError { status, reach: Reach::Command, ..error });
                return Ok(status);
            }
            Err(stop) => return Err(stop),
            Ok((holds, mistake)) => {
                if let Some(Stop::Shell(error)) = mistake {
                    walker.survive(ShellError { reach: Reach::Command, ..error });
                }
                holds
            }
        };
    }
    Ok(Status::from(!holds))
}
