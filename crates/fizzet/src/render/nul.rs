//! The vector alone: each argument followed by a NUL byte.

use std::io::{self, Write};

use fizzet_core::trace::{CommandKind, Trace};

/// Writes every argument of the last external command, its name included.
///
/// # Errors
/// What the writer says.
pub fn line(trace: &Trace, out: &mut dyn Write) -> io::Result<()> {
    let last = trace.commands.iter().rev().find(|command| command.kind == CommandKind::External);
    for argument in last.map_or(&[][..], |command| &command.argv) {
        out.write_all(argument.bytes())?;
        out.write_all(b"\0")?;
    }
    Ok(())
}
