//! The place whose line counts for a command: in bash that which has been read when the parser knows what the
//! command is (observed in bash 5.2).

use crate::source::Span;
use crate::syntax::ast::{Command, CommandKind as Node, SimpleCommand};

/// The place of a command. Of a simple one the parser has read the second token, of `[[ ]]` and `(( ))` all, of
/// `case` the word.
pub(super) fn known_at(command: &Command) -> Span {
    let at = match &command.kind {
        Node::Simple(simple) => second_token(command, simple),
        Node::Conditional(_) | Node::Arithmetic(_) => Some(unredirected_end(command)),
        Node::Case { word, .. } => Some(end(word.span)),
        _ => None,
    };
    at.filter(|at| at.source == command.span.source).unwrap_or(command.span)
}

/// Where a command ends, which is what counts for ERR behind a subshell.
pub(super) fn end_of(command: &Command) -> Span {
    unredirected_end(command)
}

fn unredirected_end(command: &Command) -> Span {
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
    let operators = command.redirects.iter().map(|one| (one.span, one.span));
    // What stands first is the only token where there is no other.
    let mut tokens: [Option<(Span, Span)>; 2] = [None, None];
    let words = simple.words.iter().take(2).map(|word| word.span());
    let words = simple.assignments.iter().take(2).map(|one| one.span).chain(words);
    for token in words.map(|span| (span, end(span))).chain(operators.take(2)) {
        match tokens {
            [Some((first, _)), _] if token.0.start < first.start => {
                tokens = [Some(token), tokens[0]]
            }
            [Some(_), Some((second, _))] if token.0.start >= second.start => {}
            [Some(_), _] => tokens[1] = Some(token),
            [None, _] => tokens[0] = Some(token),
        }
    }
    tokens[1].or(tokens[0]).map(|(_, at)| at)
}
