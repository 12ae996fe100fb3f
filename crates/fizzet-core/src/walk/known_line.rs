//! The place whose line counts for a command: in bash that which has been read when the parser knows what the
//! command is (observed in bash 5.2).

use crate::dialect::LinesOfCommands;
use crate::source::Span;
use crate::syntax::ast::{AssignedValue, Command, CommandKind as Node, SimpleCommand};

/// The place of a command. Where the parser has to know what it is, it has read the second token of a simple one, all
/// of `[[ ]]` and `(( ))`, and the word of `case`.
pub(super) fn known_at(command: &Command, rule: LinesOfCommands) -> Span {
    let at = match &command.kind {
        _ if rule == LinesOfCommands::First => None,
        Node::Simple(simple) if rule == LinesOfCommands::BehindFirstToken => {
            let first = simple.assignments.first();
            first
                .filter(|one| matches!(one.value, AssignedValue::Scalar(_)))
                .map(|one| end(one.span))
        }
        _ if rule == LinesOfCommands::BehindFirstToken => None,
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

/// The end of the second word, or the operator of the redirection that stands there; of a command that begins with
/// something else the end of that.
fn second_token(command: &Command, simple: &SimpleCommand) -> Option<Span> {
    if command.redirects.is_empty() && simple.assignments.is_empty() {
        // Most commands are nothing but words.
        return simple.words.get(1).or(simple.words.first()).map(|word| end(word.span()));
    }
    let starts = simple.words.first().map(|word| word.span().start).into_iter();
    let first = starts.chain(simple.assignments.first().map(|one| one.span.start)).min();
    let is_first = |start: u32| first.is_none_or(|first| start < first);
    let words = simple.words.iter().take(2).map(|word| word.span());
    let words = simple.assignments.iter().take(2).map(|one| one.span).chain(words);
    let operators = command.redirects.iter().take(2).map(|one| match is_first(one.span.start) {
        true => (one.span.start, end(one.word.span)),
        false => (one.span.start, one.span),
    });
    let mut tokens: Vec<(u32, Span)> =
        words.map(|span| (span.start, end(span))).chain(operators).collect();
    tokens.sort_by_key(|(start, _)| *start);
    // Only behind a word the parser looks further: a function could begin there.
    let is_word = |start: u32| simple.words.first().is_some_and(|one| one.span().start == start);
    let (first, at) = *tokens.first()?;
    let second = tokens.get(1).filter(|_| is_word(first));
    Some(second.map_or(at, |(_, at)| *at))
}
