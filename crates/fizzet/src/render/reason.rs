//! Why an argument came out as it did, in plain words.

use bstr::ByteSlice;
use fizzet_core::lineage::{Origin, Rule};
use fizzet_core::source::{SourceKind, Sources};
use fizzet_core::text::{Run, Text};
use fizzet_core::trace::{Expansion, WordTrace};

/// The reason for the argument that is number `nth` (from 0) of those its word made.
pub fn reason(sources: &Sources, argument: &Text, word: &WordTrace, nth: usize) -> String {
    let runs: Vec<(&Run, &[u8])> = argument.runs().collect();
    if let Some(joined) = joined(&runs, word) {
        return joined;
    }
    let mut kinds: Vec<String> = Vec::new();
    for (run, bytes) in runs.iter().filter(|(run, bytes)| !bytes.is_empty() || run.hole) {
        let said = piece(sources, run, bytes, word, nth);
        if !kinds.contains(&said) {
            kinds.push(said);
        }
    }
    match &kinds[..] {
        [] => empty(sources, &runs, word),
        [only] => only.clone(),
        several if several.len() > 4 => {
            let (head, tail) = (several[..3].join(" + "), several.len() - 3);
            format!("put together: {head} + {tail} more pieces")
        }
        several => format!("put together: {}", several.join(" + ")),
    }
}

/// The reason for an argument that a quoted `$*` alone has made.
fn joined(runs: &[(&Run, &[u8])], word: &WordTrace) -> Option<String> {
    let [expansion] = &word.expansions[..] else { return None };
    let star = expansion.quoted && expansion.name.as_deref() == Some(b"*");
    let alone = runs.iter().all(|(run, _)| run.origin.span() == expansion.span);
    let joiner = runs.iter().find(|(run, _)| run.origin.rule() == Rule::Join);
    if !star || !alone || expansion.count < 2 {
        return None;
    }
    let between = match joiner {
        Some((_, bytes)) => {
            format!("with {} between them, the first character of IFS", separator(bytes))
        }
        None => "with nothing between them, since IFS is empty".into(),
    };
    Some(format!("all {} parameters joined into one, {between}", expansion.count))
}

fn empty(sources: &Sources, runs: &[(&Run, &[u8])], word: &WordTrace) -> String {
    let expansion = word.expansions.iter().find(|expansion| expansion.rule == Rule::Parameter);
    match (runs.first(), expansion) {
        (Some((run, _)), Some(_)) if !run.is_quoted() => {
            "empty: nothing stands between two separators of IFS".into()
        }
        (_, Some(expansion)) => {
            let origin = runs.first().map(|(run, _)| &run.origin);
            if expansion.count > 0 && matches!(expansion.name.as_deref(), Some(b"@" | b"*")) {
                return format!("one parameter of {}, which is empty", parameter(expansion));
            }
            let unset = expansion.count == 0;
            let state = if unset { "not set" } else { "empty" };
            let given = origin.map_or(String::new(), |origin| given(sources, origin));
            format!("{} is {state}{given}, but the quotes keep an argument", parameter(expansion))
        }
        _ => "empty quotes make an empty argument".into(),
    }
}

fn piece(sources: &Sources, run: &Run, bytes: &[u8], word: &WordTrace, nth: usize) -> String {
    let origin = &run.origin;
    if run.hole {
        let several = run.standing.is_split() && !run.is_told();
        let unquoted = if several { "; unquoted, it may be any number of arguments" } else { "" };
        return format!("not known: nothing is run, so this is a hole{unquoted}");
    }
    match origin.rule() {
        Rule::Literal => "written as it stands".into(),
        Rule::Quoted => quoted(sources, origin),
        Rule::AnsiC => "escapes of $'...' decoded".into(),
        Rule::Parameter => parameter_piece(sources, run, word, nth),
        Rule::Join => format!("{} between them, from IFS", separator(bytes)),
        Rule::Brace => "made by the braces".into(),
        Rule::Tilde => "a home directory for the tilde".into(),
        Rule::Shell if sources.bytes(origin.span()).starts_with(b"<(") => {
            "the file that stands for a process".into()
        }
        Rule::Shell => "made by the shell itself".into(),
        Rule::Command => "output of a command substitution".into(),
        Rule::Arithmetic => "result of an arithmetic expansion".into(),
        Rule::Pathname => match word.count {
            1 => "the one pathname that the pattern matches".into(),
            count => format!("pathname {} of {count} that the pattern matches", nth + 1),
        },
        Rule::Folded => "many pieces, no longer told apart".into(),
        other => other.name().into(),
    }
}

fn separator(bytes: &[u8]) -> String {
    // An empty parameter leaves two separators side by side.
    match &bytes[..bytes.len().min(bytes.chars().next().map_or(1, char::len_utf8))] {
        b" " => "a space".into(),
        b"\t" => "a tab".into(),
        b"\n" => "a newline".into(),
        first => format!("`{}`", first.as_bstr()),
    }
}

fn quoted(sources: &Sources, origin: &Origin) -> String {
    let written = sources.bytes(origin.span());
    match written.first() {
        Some(b'\\') => "a backslash quotes it",
        Some(b'\'') => "written in single quotes",
        _ => "written in double quotes",
    }
    .into()
}

fn parameter_piece(sources: &Sources, run: &Run, word: &WordTrace, nth: usize) -> String {
    let origin = &run.origin;
    let expansion = word.expansions.iter().find(|expansion| expansion.span == origin.span());
    let Some(expansion) = expansion else { return "value of a parameter".into() };
    let name = parameter(expansion);
    let given = given(sources, origin);
    let all = matches!(expansion.name.as_deref(), Some(b"@" | b"*"));
    if all && expansion.quoted && expansion.name.as_deref() == Some(b"*") {
        return format!("all {} parameters of {name}, joined into one", expansion.count);
    }
    if all && expansion.quoted {
        return format!("one parameter of {name}, kept whole{given}");
    }
    if run.is_quoted() && expansion.quoted {
        return format!("value of {name}{given}, kept whole by the quotes");
    }
    if run.is_quoted() {
        return format!("value of {name}{given}, which is not split here");
    }
    match word.count {
        1 => format!("value of {name}{given}, not quoted"),
        count => format!("piece {} of {count} of {name}{given}, split at IFS", nth + 1),
    }
}

/// `$jar`
pub fn parameter(expansion: &Expansion) -> String {
    format!("${}", expansion.name.as_deref().unwrap_or_default().as_bstr())
}

/// Where a value was given first, where that is worth a word.
fn given(sources: &Sources, origin: &Origin) -> String {
    let Some(first) = origin.hops().last().filter(|first| first.rule() == Rule::Given) else {
        return String::new();
    };
    match &sources.get(first.span().source).kind {
        SourceKind::Argument(n) => format!(" (argument {n})"),
        SourceKind::Variable { inherited: true, .. } => " (from the environment)".into(),
        SourceKind::Variable { .. } => " (given)".into(),
        _ => String::new(),
    }
}
