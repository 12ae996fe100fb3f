//! Messages about the traced text: what, where, underlined, and how to mend it.

use fizzet_core::dialect::Shell;
use fizzet_core::source::{Sources, Span};
use fizzet_core::stop::{Reach, ShellError};
use fizzet_core::trace::{Ending, Missing};

use crate::render::excerpt::{self, Look, Mark};
use crate::render::page::{Page, wrap};

/// What is said about a place in a text.
struct Message<'a> {
    headline: &'a str,
    span: Span,
    hint: &'a str,
}

/// Writes the messages that a trace ended with.
pub fn ending(
    page: &mut Page,
    shell: Shell,
    sources: &Sources,
    ending: &Ending,
    all_missing: &[Missing],
) {
    match ending {
        Ending::Complete => {}
        Ending::Incomplete => missing(page, sources, all_missing),
        Ending::ShellStops(error) => {
            let headline = format!("{} stops here with status {}: {error}", shell, error.status);
            let hint = "nothing behind this place is carried out";
            message(page, sources, &Message { headline: &headline, span: error.span, hint });
        }
        Ending::Syntax(error) => {
            let headline = format!("{} cannot read this: {error}", shell);
            let hint = error.hint();
            message(page, sources, &Message { headline: &headline, span: error.span, hint: &hint });
        }
        Ending::Stopped { message: text, span } => {
            let headline = format!("stopped at a limit: {text}");
            let hint = "the trace so far is whole; what comes after this place was not looked at. --max-steps and --max-bytes set other limits";
            message(page, sources, &Message { headline: &headline, span: *span, hint });
        }
    }
}

/// How many mistakes people are told of.
const MOST_MISTAKES: usize = 5;

/// The mistakes behind which a shell went on, each place once.
pub fn mistakes(page: &mut Page, shell: Shell, sources: &Sources, all: &[ShellError]) {
    let mut told: Vec<&ShellError> = Vec::new();
    for mistake in all {
        let is_told =
            |one: &&ShellError| one.span == mistake.span && one.message == mistake.message;
        if !told.iter().any(is_told) {
            told.push(mistake);
        }
    }
    for mistake in told.iter().take(MOST_MISTAKES) {
        let headline =
            format!("{shell} finds a mistake here, with status {}: {mistake}", mistake.status);
        let hint = match mistake.reach {
            Reach::Command => "the shell goes on with the next command",
            Reach::Line => "the rest of this line is not carried out; the shell goes on behind it",
            Reach::Shell => "the subshell, function or file ends here; the shell goes on behind it",
        };
        message(page, sources, &Message { headline: &headline, span: mistake.span, hint });
    }
    if told.len() > MOST_MISTAKES {
        page.text(&format!("and {} more mistakes", told.len() - MOST_MISTAKES)).end_row();
    }
}

fn missing(page: &mut Page, sources: &Sources, all: &[Missing]) {
    for missing in all {
        let headline = format!("not known: {}", missing.what);
        let hint = match &missing.command {
            Some(command) => format!(
                "say it with --answer '{command}=OUTPUT', or let the program be run with --allow-run. The trace goes on with a marked hole here"
            ),
            None => "the trace goes on with a marked hole here".into(),
        };
        let (headline, hint) = (headline.as_str(), hint.as_str());
        message(page, sources, &Message { headline, span: missing.span, hint });
    }
}

fn message(page: &mut Page, sources: &Sources, message: &Message<'_>) {
    let position = sources.position(message.span);
    let name = sources.get(message.span.source).kind.name();
    let alert = page.palette.alert;
    page.styled(alert, "fizzet: ").text(message.headline).end_row();
    page.text(&format!("in {name}, line {}, column {}:", position.line, position.column)).end_row();
    let shown = context(sources, message.span, position.line_start);
    let marks = [Mark { span: message.span, label: String::new() }];
    excerpt::write(page, sources, shown, &marks, Look::Mistake);
    for row in wrap(message.hint, page.width.saturating_sub(2).max(20)) {
        page.text("  ").text(&row).end_row();
    }
}

/// The line around a span; of a very long one, what is near.
fn context(sources: &Sources, span: Span, line_start: usize) -> Span {
    const NEAR: usize = 200;
    let bytes = &sources.get(span.source).bytes;
    let start = line_start.max((span.start as usize).saturating_sub(NEAR));
    let end = (span.end as usize).min(span.start as usize + NEAR).min(bytes.len());
    let rest = &bytes[end..];
    let length =
        rest.iter().take(NEAR).position(|&byte| byte == b'\n').unwrap_or(rest.len().min(NEAR));
    Span::new(span.source, start, end + length)
}
