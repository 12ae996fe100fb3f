//! The definition of a function as a shell prints it: `declare -f`, `typeset -f`, `functions`.
//!
//! bash, mksh and zsh print the parsed commands anew, each in its own layout; ksh93 prints the text
//! as it was written. What stems from the definition keeps its place in it.

mod bash;
mod mksh;
mod page;
mod zsh;

use crate::dialect::{Defines, Dialect};
use crate::lineage::Hop;
use crate::source::{Sources, Span};
use crate::state::Function;
use crate::syntax::ast::{AndOr, Arithmetic, Command, List};
use crate::text::Text;

/// The definition of the function `name`, as the shell prints it and with a newline behind it; `None`
/// where no utility of the shell prints functions.
///
/// `hop` is what is put on every byte: that a utility wrote it.
pub fn definition(
    sources: &Sources,
    dialect: &Dialect,
    name: &[u8],
    function: &Function,
    hop: Hop,
) -> Option<Text> {
    let page = page::Page::new(sources, hop);
    Some(match dialect.defines {
        Defines::Never => return None,
        Defines::Braces => bash::definition(page, dialect, name, function),
        Defines::Escapes => mksh::definition(page, name, function),
        Defines::Tabs => zsh::definition(page, dialect, name, function),
        Defines::Written => written(page, function),
    })
}

/// Commands as zsh prints them.
pub fn commands(sources: &Sources, dialect: &Dialect, commands: &AndOr, hop: Hop) -> Text {
    zsh::commands(page::Page::new(sources, hop), dialect, commands)
}

/// A whole list of commands as zsh prints it, each on a line.
pub fn list(sources: &Sources, dialect: &Dialect, list: &List, hop: Hop) -> Text {
    zsh::list(page::Page::new(sources, hop), dialect, list)
}

/// What bash calls a command while it carries it out: of a compound command that runs others only its beginning, or
/// nothing.
pub fn head(sources: &Sources, command: &Command, hop: Hop) -> Option<Text> {
    bash::head(page::Page::new(sources, hop), command)
}

/// What bash calls an expression of `for ((...))` while it computes it.
pub fn arithmetic(sources: &Sources, expression: &Arithmetic, hop: Hop) -> Text {
    bash::arithmetic(page::Page::new(sources, hop), expression)
}

/// The commands of a substitution as bash prints them when it has read them.
pub(crate) fn substitution(sources: &Sources, list: &List, hop: Hop) -> Text {
    bash::substitution(page::Page::new(sources, hop), list)
}

/// The definition of a function as the environment of programs holds it.
pub fn handed(sources: &Sources, function: &Function, hop: Hop) -> Text {
    bash::handed(page::Page::new(sources, hop), function)
}

/// The text that the definition was read from.
fn written(mut page: page::Page<'_>, function: &Function) -> Text {
    let span = function.span;
    let behind = page.sources.get(span.source).bytes.get(span.end as usize).copied();
    let ends = behind.is_some_and(|sign| b";&|)".contains(&sign));
    // What ended the command belongs to it too.
    page.source(Span { end: span.end + u32::from(ends), ..span });
    page.say(if ends { "" } else { "\n" });
    page.text
}
