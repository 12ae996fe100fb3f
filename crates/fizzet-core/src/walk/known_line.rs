//! The place whose line counts for a command: in bash that which has been read when the parser knows what the
//! command is (observed in bash 5.2).

use crate::source::Span;
use crate::syntax::ast::{Command, CommandKind as Node, SimpleCommand};

/// The place of a command. Of a simple one the parser has read the second token, of `[[ ]]` and `(( ))` all, of
/// `case` the word.
pub(super) fn known_at(command: &Command) -> Span {
    let at = match &command.kind {
        Node::Simple(simple) => second_token(command, simple),
        Node::Conditional(_) | Node::Arithmetic(_) => Some(end_of(command)),
        Node::Case { word, .. } => Some(end(word.span)),
        _ => None,
    };
    at.filter(|at| at.source == command.span.source).unwrap_or(command.span)
}

/// Where a command ends, without its redirections: what counts for ERR behind a subshell.
pub(super) fn end_of(command: &Command) -> Span {
    match command.redirects.first() {
        Some(first) if first.span.source == command.span.source => first.span,
        _ => Span { start: command.span.end.saturating_sub(1), ..command.span },
    }
}

fn end(span: Span) -> Span {
    Span { start: span.end, ..span }
}

/// The end of the second word, or the operator of the redirection that stands there.
fn second_token(command: &Command, simple: &SimpleCommand) -> Option<Span> {
    if command.redirects.is_empty() && simple.assignments.is_empty() {
        // Most commands are nothing but words.
        return simple.words.get(1).or(simple.words.first()).map(|word| end(word.span()));
    }
    let words = simple.words.iter().take(2).map(|word| word.span());
    let words = simple.assignments.iter().take(2).map(|one| one.span).chain(words);
    let operators = command.redirects.iter().take(2).map(|one| (one.span.start, one.span));
    let mut tokens: Vec<(u32, Span)> =
        words.map(|span| (span.start, end(span))).chain(operators).collect();
    tokens.sort_by_key(|(start, _)| *start);
    tokens.get(1).or(tokens.first()).map(|(_, at)| *at)
}
