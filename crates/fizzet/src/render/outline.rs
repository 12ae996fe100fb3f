//! `outline` for people: each command with a sign below each word, then the functions.

use std::io::{self, Write};

use fizzet_core::dialect::Shell;
use fizzet_core::outline::{Makes, Outline, OutlinedCommand, OutlinedFunction};
use fizzet_core::source::Sources;

use crate::render::excerpt::{self, Look, Mark};
use crate::render::page::{Page, wrap};

/// Writes the outline, command by command.
///
/// # Errors
/// What the writer says.
pub fn write(
    page: &mut Page,
    shell: Shell,
    sources: &Sources,
    outline: &Outline,
    out: &mut dyn Write,
) -> io::Result<()> {
    let count = outline.commands.len();
    let fixed = outline.commands.iter().filter(|command| is_fixed(command)).count();
    page.text(&format!("{shell}: {count} commands, {fixed} of them always the same")).end_row();
    page.text("below each word: = always the same argument, 1 exactly one, * any number").end_row();
    for command in &outline.commands {
        one(page, sources, command);
        out.write_all(page.take().as_bytes())?;
    }
    if !outline.functions.is_empty() {
        page.end_row();
        page.text("functions").end_row();
    }
    for defined in &outline.functions {
        function(page, sources, defined);
    }
    out.write_all(page.take().as_bytes())
}

fn is_fixed(command: &OutlinedCommand) -> bool {
    command.words.iter().all(|word| word.makes == Makes::Fixed)
}

fn one(page: &mut Page, sources: &Sources, command: &OutlinedCommand) {
    let position = sources.position(command.span);
    let frame = page.palette.frame;
    let inside = command
        .function
        .as_ref()
        .map_or_else(String::new, |name| format!(", in {}", String::from_utf8_lossy(name)));
    let nothing = if command.words.is_empty() { ", no command name" } else { "" };
    page.end_row();
    page.styled(frame, &format!("line {}{inside}{nothing}", position.line)).end_row();
    let sign = |makes| match makes {
        Makes::Fixed => "=",
        Makes::One => "1",
        Makes::Any => "*",
    };
    let marks: Vec<Mark> = command
        .words
        .iter()
        .map(|word| Mark { span: word.span, label: sign(word.makes).into() })
        .collect();
    excerpt::write(page, sources, command.span, &marks, Look::Words);
}

fn function(page: &mut Page, sources: &Sources, function: &OutlinedFunction) {
    let line = |span| sources.position(span).line.to_string();
    let name = String::from_utf8_lossy(&function.name).into_owned();
    let calls: Vec<String> = function.calls.iter().map(|&span| line(span)).collect();
    let called = match &calls[..] {
        [] => "not called by its name here".to_owned(),
        [one] => format!("called on line {one}"),
        several => format!("called on lines {}", several.join(", ")),
    };
    let text = format!("{name}, defined on line {}, {called}", line(function.span));
    for row in wrap(&text, page.width.saturating_sub(2).max(20)) {
        page.text("  ").text(&row).end_row();
    }
}
