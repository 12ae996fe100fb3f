//! Traps of what is written: text pasted from elsewhere, quotes, redirections that were meant to be
//! something else.

use crate::lineage::Rule;
use crate::notes::Look;
use crate::source::Span;
use crate::text::Run;

/// Characters that look like others, what each is, and what to write instead.
const LOOKALIKES: &[(&str, &str, &str)] = &[
    ("\u{a0}", "a no-break space, which separates nothing", "a space"),
    ("\u{2018}", "a curly quote, which quotes nothing", "'"),
    ("\u{2019}", "a curly quote, which quotes nothing", "'"),
    ("\u{201c}", "a curly quote, which quotes nothing", "\""),
    ("\u{201d}", "a curly quote, which quotes nothing", "\""),
];

/// A no-break space, a curly quote or a carriage return that the shell took for text.
pub(super) fn pasted_text(look: &mut Look<'_>) {
    let mut found = Vec::new();
    for (run, bytes) in look.command.argv.iter().flat_map(|text| text.runs()) {
        if run.origin.rule() != Rule::Literal {
            continue;
        }
        let span = run.origin.span();
        let lookalikes = if bytes.is_ascii() { &[][..] } else { LOOKALIKES };
        for &(character, what, instead) in lookalikes {
            if let Some(at) = bstr::ByteSlice::find(bytes, character) {
                let span = part(span, at, character.len());
                found.push((span, format!("This is {what}."), format!("Write {instead}.")));
            }
        }
        if bytes.ends_with(b"\r") {
            let message = "A carriage return stands at the end of this argument: the text has \
                           line ends of another system.";
            let instead = "Take it out, or convert the line ends of the file.";
            let span = part(span, bytes.len() - 1, 1);
            found.push((span, message.to_string(), instead.to_string()));
        }
    }
    found.into_iter().for_each(|(span, message, instead)| look.say(span, message, instead));
}

fn part(span: Span, at: usize, length: usize) -> Span {
    let start = span.start + at as u32;
    Span { start, end: start + length as u32, ..span }
}

/// A tilde that quotes kept from being a home directory.
pub(super) fn quoted_tilde(look: &mut Look<'_>) {
    for word in &look.command.words {
        let written = look.written(word.span);
        let inside = written.trim_start_matches(['"', '\'']);
        let is_prefix = inside.starts_with("~/") || matches!(inside, "~\"" | "~'");
        if inside.len() == written.len() || !is_prefix {
            continue;
        }
        let message = "The tilde is quoted, so it stands for itself and not for a home directory.";
        let instead = "Leave ~ and the slash behind it outside the quotes, or write \"$HOME\".";
        look.say(word.span, message.into(), instead.into());
    }
}

/// A pattern behind an expansion, all of it between the same double quotes: it matched nothing.
pub(super) fn quoted_pattern(look: &mut Look<'_>) {
    let is_pattern = |bytes: &[u8]| bytes.iter().any(|byte| matches!(byte, b'*' | b'?'));
    for word in &look.command.words {
        let written = look.written(word.span);
        let whole = written.len() > 1 && written.starts_with('"') && written.ends_with('"');
        let is_path = written.contains("/*") || written.contains("*.");
        if !whole || !is_path || !word.expansions.iter().any(|one| one.quoted) {
            continue;
        }
        let quoted = |run: &Run| run.origin.rule() == Rule::Quoted;
        let arguments = &look.command.argv[word.first..word.first + word.count];
        let mut runs = arguments.iter().flat_map(|text| text.runs());
        if runs.any(|(run, bytes)| quoted(run) && is_pattern(bytes)) {
            let message = "The pattern is quoted, so it stands for itself and matched no files.";
            let instead = "Leave * and ? outside the quotes: \"$dir\"/*.";
            look.say(word.span, message.into(), instead.into());
        }
    }
}

/// A quote that closed the one before it where it was meant to open another.
pub(super) fn early_quote(look: &mut Look<'_>) {
    let words = &look.command.words;
    for (at, word) in words.iter().enumerate() {
        let written = look.written(word.span);
        let Some(outside) = behind_quotes(&written) else { continue };
        let next = words.get(at + 1).map(|next| look.written(next.span)).unwrap_or_default();
        let split = !outside.is_empty() && opens_late(&next);
        let joined = outside.find('"').is_some_and(|inner| {
            inner > 0 && outside[inner..].starts_with("\" ") && outside.ends_with('"')
        });
        if !split && !joined {
            continue;
        }
        let closing = written.len() - outside.len() - 1;
        let message = "This quote ends the quoted text here; what follows is not quoted.";
        let instead = "For a quote inside the text, write \\\".";
        look.say(part(word.span, closing, 1), message.into(), instead.into());
    }
}

/// What stands behind the first double-quoted text of a word that begins with one that ends in a
/// space.
fn behind_quotes(written: &str) -> Option<&str> {
    let inside = written.strip_prefix('"')?;
    let close = inside.find('"')?;
    let outside = &inside[close + 1..];
    let is_text = outside.chars().next().is_some_and(char::is_alphanumeric);
    (is_text && inside[..close].ends_with(' ')).then_some(outside)
}

/// Whether a word begins with text and then opens a quote before a space.
fn opens_late(written: &str) -> bool {
    let text = written.chars().next().is_some_and(char::is_alphanumeric);
    text && written.split_once('"').is_some_and(|(_, rest)| rest.starts_with(' '))
}

/// `[ a > b ]`: the comparison is a redirection.
pub(super) fn comparison_redirects(look: &mut Look<'_>) {
    let command = look.command;
    let name = command.argv.first().map_or(&b""[..], |text| text.bytes());
    let Some(last) = command.words.last().map(|word| word.span) else { return };
    for redirection in &command.redirections {
        let inside = match name {
            b"[" => redirection.span.start < last.start,
            b"test" => redirection.target.bytes().iter().all(u8::is_ascii_digit),
            _ => false,
        };
        let numeric = match redirection.operator {
            ">" => "-gt",
            "<" => "-lt",
            _ => continue,
        };
        if !inside {
            continue;
        }
        let target = String::from_utf8_lossy(redirection.target.bytes()).into_owned();
        let does = if redirection.operator == ">" { "writes" } else { "reads" };
        let message = format!(
            "{} is a redirection here: nothing is compared, and the test {does} the file {target}.",
            redirection.operator
        );
        let instead = format!("To compare numbers, write {numeric}.");
        look.say(redirection.span, message, instead);
    }
}

/// `x=$@` makes one text of all parameters.
pub(super) fn joined_assignment(look: &mut Look<'_>) {
    for assignment in &look.command.assignments {
        let joins = |run: &Run| {
            let mut hops = run.origin.hops();
            hops.find(|hop| hop.rule() == Rule::Join).map(|hop| hop.span())
        };
        let Some(span) = assignment.value.runs().find_map(|(run, _)| joins(run)) else { continue };
        if !look.written(span).contains('@') {
            continue;
        }
        let name = String::from_utf8_lossy(&assignment.name).into_owned();
        let message = format!("{name} holds one text: all parameters, joined.");
        let instead = "To keep them apart, use \"$@\" itself, or an array where the shell has one.";
        look.say(span, message, instead.into());
    }
}
