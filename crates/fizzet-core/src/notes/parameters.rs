//! Traps of parameter expansion.

use crate::lineage::Rule;
use crate::notes::Look;
use crate::source::Span;
use crate::text::Run;
use crate::trace::{Expansion, WordTrace};

/// The expansions of parameters in a word that are not between double quotes.
fn unquoted(word: &WordTrace) -> impl Iterator<Item = &Expansion> {
    let parameters = word.expansions.iter().filter(|one| one.rule == Rule::Parameter);
    parameters.filter(|expansion| !expansion.quoted)
}

/// How the expansion would be written with quotes; of `$*`, what is meant is `"$@"`.
fn quoted_form(look: &Look<'_>, expansion: &Expansion) -> String {
    match expansion.name.as_deref() {
        Some(b"*" | b"@") => "\"$@\"".into(),
        _ => format!("\"{}\"", look.written(expansion.span)),
    }
}

/// How many arguments of a word have bytes from this expansion.
fn arguments_from(look: &Look<'_>, word: &WordTrace, span: Span) -> usize {
    let arguments = &look.command.argv[word.first..word.first + word.count];
    let holds = |run: &Run| run.origin.hops().any(|hop| hop.span() == span);
    arguments.iter().filter(|text| text.runs().any(|(run, _)| holds(run))).count()
}

/// An unquoted value became several arguments by splitting.
pub(super) fn split_value(look: &mut Look<'_>) {
    for word in &look.command.words {
        for expansion in unquoted(word).filter(|_| word.matched.is_empty()) {
            let made = arguments_from(look, word, expansion.span);
            if made <= expansion.filled.max(1) {
                continue;
            }
            let written = look.written(expansion.span);
            let whole = match expansion.count {
                0 | 1 => "one argument".into(),
                count => format!("its {count} parameters as they are"),
            };
            let message =
                format!("{written} is not quoted, so it was split at IFS: {made} arguments.");
            let instead = format!("To keep {whole}, write {}.", quoted_form(look, expansion));
            look.say(expansion.span, message, instead);
        }
    }
}

/// An unquoted value left no argument at all.
pub(super) fn vanished_value(look: &mut Look<'_>) {
    for word in look.command.words.iter().filter(|word| word.count == 0) {
        for expansion in unquoted(word) {
            // No parameters make no argument under `"$@"` either: there is nothing to mend.
            let all = matches!(expansion.name.as_deref(), Some(b"@" | b"*"));
            if all && expansion.count == 0 {
                continue;
            }
            let state = match expansion.count {
                0 => "is not set",
                _ if expansion.filled == 0 => "is empty",
                _ => "holds nothing but separators",
            };
            let written = look.written(expansion.span);
            let message = format!(
                "{written} {state} and not quoted, so there is no argument here; those behind it moved up."
            );
            let instead =
                format!("To keep an empty argument, write {}.", quoted_form(look, expansion));
            look.say(expansion.span, message, instead);
        }
    }
}

/// Empty parameters of an unquoted `$@` or `$*` left no argument.
pub(super) fn vanished_parameters(look: &mut Look<'_>) {
    for word in look.command.words.iter().filter(|word| word.count > 0) {
        for expansion in unquoted(word).filter(|one| one.count > 1 && one.filled < one.count) {
            let made = arguments_from(look, word, expansion.span);
            if made > expansion.filled {
                continue;
            }
            let lost = match expansion.count - expansion.filled {
                1 => "1 empty parameter".to_string(),
                lost => format!("{lost} empty parameters"),
            };
            let written = look.written(expansion.span);
            let message = format!("{written} is not quoted, so {lost} left no argument.");
            let instead = format!("To keep all of them, write {}.", quoted_form(look, expansion));
            look.say(expansion.span, message, instead);
        }
    }
}

/// A pattern that came out of a value matched files.
pub(super) fn value_matched_files(look: &mut Look<'_>) {
    for word in &look.command.words {
        for matched in &word.matched {
            let Some(expansion) = unquoted(word).find(|one| one.span == matched.active) else {
                continue;
            };
            let files = match matched.count {
                1 => "1 pathname".into(),
                count => format!("{count} pathnames"),
            };
            let written = look.written(expansion.span);
            let message = format!(
                "The value of {written} holds the pattern {}, which matched {files}.",
                String::from_utf8_lossy(matched.pattern.bytes())
            );
            let instead =
                format!("To pass the value itself, write {}.", quoted_form(look, expansion));
            look.say(expansion.span, message, instead);
        }
    }
}

/// A quoted `$*` joined several parameters.
pub(super) fn joined_parameters(look: &mut Look<'_>) {
    for word in &look.command.words {
        for expansion in word.expansions.iter().filter(|expansion| expansion.quoted) {
            if expansion.name.as_deref() != Some(b"*") || expansion.count < 2 {
                continue;
            }
            let message =
                format!("\"$*\" joined {} parameters into one argument.", expansion.count);
            look.say(expansion.span, message, "To keep them apart, write \"$@\".".into());
        }
    }
}

/// `$10` is `$1` and then `0`.
pub(super) fn cut_number(look: &mut Look<'_>) {
    for word in &look.command.words {
        // A sign and a digit; the word goes on behind them.
        let is_short =
            |one: &&Expansion| one.span.end - one.span.start == 2 && one.span.end < word.span.end;
        let parameters = word.expansions.iter().filter(|one| one.rule == Rule::Parameter);
        for expansion in parameters.filter(is_short) {
            let written = look.written(expansion.span);
            let is_plain_digit = written.len() == 2
                && written.as_bytes()[1].is_ascii_digit()
                && expansion.name.is_some();
            let behind = Span { start: expansion.span.end, end: word.span.end, ..expansion.span };
            let rest: String =
                look.written(behind).chars().take_while(char::is_ascii_digit).collect();
            if !is_plain_digit || rest.is_empty() {
                continue;
            }
            let number = format!("{}{rest}", &written[1..]);
            let message = format!("${number} was read as {written} followed by the text {rest}.");
            look.say(
                expansion.span,
                message,
                format!("For parameter {number}, write ${{{number}}}."),
            );
        }
    }
}

/// An argument that begins with `-`, and the `-` came from data.
pub(super) fn dash_from_data(look: &mut Look<'_>) {
    for word in &look.command.words {
        let arguments = word.first..word.first + word.count;
        for at in arguments.filter(|&at| at > 0) {
            let argument = &look.command.argv[at];
            if !argument.bytes().starts_with(b"-") {
                continue;
            }
            let begins = argument.runs().find(|(_, bytes)| !bytes.is_empty());
            let Some((run, _)) = begins.filter(|(run, _)| run.origin.rule().is_expansion()) else {
                continue;
            };
            if look.command.argv[1..at].iter().any(|text| text.bytes() == b"--") {
                continue;
            }
            let written = look.written(run.origin.span());
            let message = format!(
                "Argument {at} begins with - and came from {written}: the program may take it for an option."
            );
            let instead = match run.origin.rule() {
                Rule::Pathname => "Write ./ before the pattern, or -- before the word.",
                _ => "Write -- before the word if the program knows it.",
            };
            look.say(run.origin.span(), message, instead.into());
        }
    }
}
