//! The vector alone: each argument followed by a NUL byte.

use std::io::{self, Write};

use fizzet_core::text::Text;
use fizzet_core::trace::{CommandKind, Trace};

/// Writes every argument of the last external command, its name included.
///
/// # Errors
/// What the writer says.
pub fn line(trace: &Trace, out: &mut dyn Write) -> io::Result<()> {
    let last = trace.commands.iter().rev().find(|command| command.kind == CommandKind::External);
    vector(last.map_or(&[][..], |command| &command.argv), out)
}

/// Writes every argument of a vector.
///
/// # Errors
/// What the writer says.
pub fn vector(argv: &[Text], out: &mut dyn Write) -> io::Result<()> {
    for argument in argv {
        out.write_all(argument.bytes())?;
        out.write_all(b"\0")?;
    }
    Ok(())
}
