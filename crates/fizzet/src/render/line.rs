//! `line` for people.

use std::ops::Range;

use bstr::ByteSlice;
use fizzet_core::notes::Note;
use fizzet_core::source::{Sources, Span};
use fizzet_core::text::Text;
use fizzet_core::trace::{AssignmentTrace, CommandKind, CommandTrace, Trace, WordTrace};

use crate::cli::Show;
use crate::render::detail;
use crate::render::excerpt::{self, Look, Mark};
use crate::render::launch;
use crate::render::page::{Page, wrap};
use crate::render::reason::reason;
use crate::render::stages;
use crate::render::visible::{Cell, Spaces, cells, rows_within, told, width};

/// The most arguments of one command that are shown, half of them from its start.
const MAX_ARGUMENTS: usize = 2000;
/// The most rows that one argument takes.
const MAX_ROWS: usize = 12;
/// The most bytes of one argument that are shown.
const MAX_BYTES: usize = 2048;

/// The whole trace.
pub fn write(page: &mut Page, trace: &Trace, show: &[Show]) {
    let total = trace.commands.len();
    if total == 0 {
        page.text("no command: nothing is executed").end_row();
    }
    for (at, command) in trace.commands.iter().enumerate() {
        if at > 0 {
            page.end_row();
        }
        heading(page, trace, command, (at, total));
        words(page, trace, command);
        page.end_row();
        vector(page, trace, command);
        assignments(page, command);
        if command.kind != CommandKind::Nothing {
            details(page, trace, command, show);
        }
        if let Some(way) = &command.way {
            page.end_row();
            launch::way(page, &trace.sources, way);
        }
    }
    notes(page, trace);
    if trace.assumed_status {
        page.end_row();
        for row in wrap(
            "Fizzet ran nothing: the status of each external command was taken as 0.",
            page.width,
        ) {
            page.text(&row).end_row();
        }
    }
}

fn details(page: &mut Page, trace: &Trace, command: &CommandTrace, show: &[Show]) {
    for (what, write) in [
        (Show::Stages, stages::write as fn(&mut Page, &Sources, &CommandTrace)),
        (Show::Bytes, detail::bytes),
        (Show::Lineage, detail::lineage),
    ] {
        if show.contains(&what) {
            page.end_row();
            write(page, &trace.sources, command);
        }
    }
}

fn heading(page: &mut Page, trace: &Trace, command: &CommandTrace, (at, total): (usize, usize)) {
    let kind = match command.kind {
        CommandKind::External => "a program",
        CommandKind::Builtin => "built into the shell",
        CommandKind::Special => "a special built-in of the shell",
        CommandKind::Function => "a function",
        CommandKind::Nothing => "no command name",
    };
    let position = trace.sources.position(command.span);
    let which = match total {
        1 => String::new(),
        _ => format!("command {} of {total}, ", at + 1),
    };
    let place = format!("line {}, column {}", position.line, position.column);
    let frame = page.palette.frame;
    page.styled(frame, &format!("{}: {which}{place}, {kind}", trace.shell)).end_row();
}

fn words(page: &mut Page, trace: &Trace, command: &CommandTrace) {
    let of_alias =
        command.words.iter().take_while(|word| word.span.source != command.span.source).count();
    let alias = replaced(trace, command, of_alias).into_iter();
    let others = command.words[of_alias..]
        .iter()
        .filter(|word| word.span.source == command.span.source)
        .map(|word| Mark { span: word.span, label: made(word.first, word.count) });
    let marks: Vec<Mark> = alias.chain(others).collect();
    excerpt::write(page, &trace.sources, command.span, &marks, Look::Words);
}

/// The mark below the word that an alias has replaced, of which the first few words of the command are.
fn replaced(trace: &Trace, command: &CommandTrace, of_alias: usize) -> Option<Mark> {
    let (first, last) = (command.words.first()?, command.words[..of_alias].last()?);
    let bytes = trace.sources.bytes(command.span);
    let length = bytes.iter().position(u8::is_ascii_whitespace).unwrap_or(bytes.len());
    let span = Span { end: command.span.start + length as u32, ..command.span };
    Some(Mark { span, label: made(first.first, last.first + last.count - first.first) })
}

/// Which arguments a word made.
fn made(first: usize, count: usize) -> String {
    match count {
        0 => "none".into(),
        1 => first.to_string(),
        _ => format!("{first}-{}", first + count - 1),
    }
}

fn vector(page: &mut Page, trace: &Trace, command: &CommandTrace) {
    if command.kind == CommandKind::Nothing {
        return;
    }
    let several = command.argv.iter().any(Text::may_be_several);
    let guess = if several { ", if what is not known is one argument" } else { "" };
    page.text(&format!("argc = {}{guess}", command.argv.len())).end_row();
    let columns = Columns::new(page.width, trace, command);
    let left_out = left_out(command.argv.len());
    for word in &command.words {
        for nth in 0..word.count {
            let index = word.first + nth;
            if !left_out.contains(&index) {
                argument(page, trace, (index, nth), &command.argv[index], word, &columns);
            } else if index == left_out.start {
                let count = left_out.len();
                let told = format!("  ... {count} more; --format nul and json have them all");
                page.text(&told).end_row();
            }
        }
    }
    let null = format!("{:>w$}  NULL", format!("[{}]", command.argv.len()), w = columns.index);
    let frame = page.palette.frame;
    page.styled(frame, &null).end_row();
}

/// Of a vector that nobody can read, the indexes that are not shown.
fn left_out(count: usize) -> Range<usize> {
    match count > MAX_ARGUMENTS {
        true => MAX_ARGUMENTS / 2..count - MAX_ARGUMENTS / 2,
        false => count..count,
    }
}

/// The widths of the table's columns: index, argument, the word it came from, reason.
struct Columns {
    index: usize,
    value: usize,
    word: usize,
    reason: usize,
}

impl Columns {
    fn new(page: usize, trace: &Trace, command: &CommandTrace) -> Columns {
        let index = command.argv.len().to_string().len() + 3;
        let room = page.saturating_sub(index + 6).max(12);
        let widest = |lengths: &mut dyn Iterator<Item = usize>| lengths.max().unwrap_or(0);
        let left_out = left_out(command.argv.len());
        let (first, last) = (&command.argv[..left_out.start], &command.argv[left_out.end..]);
        let mut values = first.iter().chain(last).map(|text| width(&shown(text)));
        let mut words = command.words.iter().map(|word| typed(&trace.sources, word).1);
        let value = widest(&mut values).clamp(4, (room * 36 / 100).max(4));
        let word = widest(&mut words).min((room * 24 / 100).max(4));
        Columns { index, value, word, reason: room.saturating_sub(value + word).max(8) }
    }
}

/// What stands for a hole.
const NOT_KNOWN: &str = "⟨not known⟩";
/// What stands for a hole that may be any number of arguments.
const MAYBE_SEVERAL: &str = "⟨not known, maybe several⟩";
/// What marks the two in bytes: no argument of a program holds a NUL.
const MARKS: [(&[u8], &str); 2] = [(b"\0hole\0", NOT_KNOWN), (b"\0holes\0", MAYBE_SEVERAL)];

/// The bytes of an argument with marks in the place of its holes, as [`marked_cells`] shows them.
pub(super) fn with_marks(argument: &Text) -> Vec<u8> {
    let (mark, _) = MARKS[usize::from(argument.may_be_several())];
    let mut marked = Vec::with_capacity(argument.len());
    for (run, bytes) in argument.runs() {
        marked.extend_from_slice(bytes);
        marked.extend_from_slice(if run.hole { mark } else { b"" });
    }
    marked
}

/// Whether bytes with marks may be any number of arguments.
pub(super) fn may_be_several(marked: &[u8]) -> bool {
    marked.contains_str(MARKS[1].0)
}

/// The cells of bytes with marks.
pub(super) fn marked_cells(mut marked: &[u8], spaces: Spaces) -> Vec<Cell> {
    let mut shown = Vec::new();
    while let Some(at) = marked.find_byte(0) {
        shown.extend(cells(&marked[..at], spaces));
        let mark = MARKS.iter().find(|(mark, _)| marked[at..].starts_with(mark));
        let (length, hole) = mark.map_or((1, None), |(mark, words)| (mark.len(), Some(words)));
        match hole {
            Some(words) => shown.push(told(words)),
            None => shown.extend(cells(&marked[at..=at], spaces)),
        }
        marked = &marked[at + length..];
    }
    shown.extend(cells(marked, spaces));
    shown
}

/// The cells of an argument, an empty one and a very long one told in words.
pub(super) fn shown(argument: &Text) -> Vec<Cell> {
    let bytes = argument.bytes();
    let end = bytes.len().min(MAX_BYTES);
    let holes = argument.runs().filter(|(run, _)| run.hole).map(|(run, _)| run.end as usize);
    let several = argument.may_be_several();
    let (mut shown, mut from) = (Vec::new(), 0);
    for (at, hole) in holes.take_while(|&hole| hole <= end).enumerate() {
        if at == 0 || hole > from {
            shown.extend(cells(&bytes[from..hole], Spaces::Marked));
            shown.push(told(if several { MAYBE_SEVERAL } else { NOT_KNOWN }));
        }
        from = hole;
    }
    shown.extend(cells(&bytes[from..end], Spaces::Marked));
    if shown.is_empty() {
        shown.push(told("⟨empty⟩"));
    }
    if bytes.len() > MAX_BYTES {
        shown.push(told(&format!("⟨and {} more bytes⟩", bytes.len() - MAX_BYTES)));
    }
    shown
}

/// The word as it was typed, on one row, and its width.
fn typed(sources: &Sources, word: &WordTrace) -> (Vec<Cell>, usize) {
    let bytes = sources.bytes(word.span);
    let cells = cells(&bytes[..bytes.len().min(200)], Spaces::Plain);
    let width = width(&cells);
    (cells, width)
}

fn argument(
    page: &mut Page,
    trace: &Trace,
    (index, nth): (usize, usize),
    text: &Text,
    word: &WordTrace,
    columns: &Columns,
) {
    let value = shown(text);
    let value = rows_within(&value, columns.value, MAX_ROWS);
    let (typed, _) = typed(&trace.sources, word);
    let typed = rows_within(&typed, columns.word, MAX_ROWS);
    let why = wrap(&reason(&trace.sources, text, word, nth), columns.reason);
    let height = value.len().max(why.len()).max(typed.len());
    let (frame, bold, green) = (page.palette.frame, page.palette.value, page.palette.typed);
    for row in 0..height {
        let label = if row == 0 { format!("[{index}]") } else { String::new() };
        page.styled(frame, &format!("{label:>w$}", w = columns.index)).text("  ");
        column(page, value.get(row), columns.value, bold);
        column(page, typed.get(row), columns.word, green);
        page.text(why.get(row).map_or("", |row| row)).end_row();
    }
}

fn column(page: &mut Page, cells: Option<&Vec<Cell>>, columns: usize, style: anstyle::Style) {
    let cells = cells.map_or(&[][..], Vec::as_slice);
    page.cells(cells, style).pad(columns.saturating_sub(width(cells)) + 2);
}

fn assignments(page: &mut Page, command: &CommandTrace) {
    for assignment in &command.assignments {
        let (frame, bold) = (page.palette.frame, page.palette.value);
        let scope = match command.kind {
            CommandKind::Nothing | CommandKind::Special => "",
            _ => "  (for this command)",
        };
        let assigned = assigned(assignment);
        for (name, value) in &assigned.values {
            let value = shown(value);
            page.styled(frame, &format!("{name} = ")).cells(&value, bold).text(scope).end_row();
        }
        if let Some(left_out) = assigned.left_out {
            page.text(&left_out).end_row();
        }
    }
}

/// The most elements of an array that are shown one by one.
const MAX_ELEMENTS: usize = 16;

/// What an assignment has made, as people read it.
pub(super) struct Assigned<'a> {
    /// What is assigned to, an element of an array each, and its value.
    pub(super) values: Vec<(String, &'a Text)>,
    /// What is said of elements that are not shown, or where there are none.
    pub(super) left_out: Option<String>,
}

pub(super) fn assigned(assignment: &AssignmentTrace) -> Assigned<'_> {
    let name = String::from_utf8_lossy(&assignment.name).into_owned();
    let element = |key: &[u8]| format!("{name}[{}]", String::from_utf8_lossy(key));
    let Some(elements) = &assignment.elements else {
        let target = assignment.index.as_deref().map_or_else(|| name.clone(), element);
        return Assigned { values: vec![(target, &assignment.value)], left_out: None };
    };
    let label = |key: &Text| element(key.bytes());
    let shown = elements.iter().take(MAX_ELEMENTS);
    let values = shown.map(|(key, value)| (label(key), value)).collect();
    let left_out = match elements.len() {
        0 => Some(format!("{name} has no elements")),
        count if count > MAX_ELEMENTS => {
            Some(format!("... {} more elements", count - MAX_ELEMENTS))
        }
        _ => None,
    };
    Assigned { values, left_out }
}

fn notes(page: &mut Page, trace: &Trace) {
    for note in &trace.notes {
        page.end_row();
        one_note(page, &trace.sources, note);
    }
}

pub(super) fn one_note(page: &mut Page, sources: &Sources, note: &Note) {
    let position = sources.position(note.span);
    let alert = page.palette.alert;
    page.text("note ").styled(alert, note.name);
    page.text(&format!("  line {}, column {}", position.line, position.column)).end_row();
    let room = page.width.saturating_sub(2).max(20);
    for row in wrap(&note.message, room).iter().chain(&wrap(&note.instead, room)) {
        page.text("  ").text(row).end_row();
    }
}
