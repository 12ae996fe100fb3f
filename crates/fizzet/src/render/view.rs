//! `view` for people: one row a runtime, or one runtime in full.

use fizzet_core::receive::convert::Outcome;
use fizzet_core::receive::read::{Got, Reading};
use fizzet_core::receive::start::Program;
use fizzet_core::receive::view::{Element, View};
use fizzet_core::text::Text;

use crate::cli::As;
use crate::render::launch::sentence;
use crate::render::line::shown;
use crate::render::page::{Page, wrap};
use crate::render::visible::{Cell, rows_within, width};

/// A view, and what is asked of it besides.
#[derive(Debug)]
pub struct Shown {
    /// The view.
    pub view: View,
    /// Arguments that are read in the usual way.
    pub readings: Vec<Reading>,
    /// What conversions make of the arguments.
    pub conversions: Vec<Converted>,
    /// What was asked for and no conversion of the language is known for.
    pub unconverted: Vec<As>,
}

/// What a conversion makes of an argument.
#[derive(Debug)]
pub struct Converted {
    /// The number of the argument, counted from 1.
    pub number: usize,
    /// What it should be.
    pub kind: As,
    /// The runtime.
    pub language: &'static str,
    /// How the conversion is written.
    pub form: &'static str,
    /// What comes of it.
    pub outcome: Outcome,
}

/// The most arguments that are shown.
const MOST: usize = 200;
/// Columns of a runtime's name.
const NAME: usize = 8;

/// Writes all of it.
pub fn write(page: &mut Page, all: &[Shown]) {
    let asks = all.iter().any(|one| {
        !one.readings.is_empty() || !one.conversions.is_empty() || !one.unconverted.is_empty()
    });
    match all {
        [one] => {
            whole(page, &one.view);
            if asks {
                page.end_row();
            }
        }
        _ if !asks => table(page, all),
        _ => {}
    }
    readings(page, all);
    conversions(page, all);
    unconverted(page, all);
}

/// One runtime in full: the words it kept, then the names and values.
fn whole(page: &mut Page, view: &View) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    page.styled(frame, view.runtime.title).end_row();
    let taken = view.started.taken();
    let words = columns(page, view.started.argv.iter());
    for (at, word) in view.started.argv.iter().enumerate().take(MOST) {
        let role = if at == 0 && !taken.is_empty() {
            "the interpreter"
        } else if taken.contains(&at) {
            part(view, at)
        } else if view.started.switches.contains(&at) {
            "taken for a switch of the program"
        } else if at == 0 {
            "the program"
        } else if matches!(view.started.program, Program::Nothing(..)) {
            ""
        } else {
            "for the program"
        };
        row(page, &format!("[{at}]"), &shown(word), role, words);
    }
    page.end_row();
    if let Program::Nothing(status, why) = &view.started.program {
        let status = status.map_or(String::new(), |status| format!(", status {status}"));
        page.styled(page.palette.alert, "no program runs").text(&status).end_row();
        sentence(page, &format!("{why}."));
        return;
    }
    for (name, count) in &view.counts {
        page.styled(frame, &format!("{name:<18} ")).styled(bold, &count.to_string()).end_row();
    }
    let values = view.programs.iter().chain(&view.arguments).map(|one| &one.text);
    let wide = columns(page, values);
    for element in &view.programs {
        named(page, element, program_word(view, element), wide);
    }
    for (nth, element) in view.arguments.iter().enumerate().take(MOST) {
        let changed = if element.changed { ", bytes replaced" } else { "" };
        named(page, element, &format!("argument {}{changed}", nth + 1), wide);
    }
    if view.arguments.len() > MOST {
        page.text(&format!("... {} more; --format json has them all", view.arguments.len() - MOST))
            .end_row();
    }
    if view.runtime.null {
        let name = view.runtime.element_name(view.started.argv.len());
        page.styled(frame, &format!("{name:<18} NULL")).end_row();
    }
    page.end_row();
    for sentence in remarks(view) {
        for row in wrap(&sentence, page.width) {
            page.text(&row).end_row();
        }
    }
}

/// The columns that values take: as many as the widest, but not half of the page.
fn columns<'t>(page: &Page, texts: impl Iterator<Item = &'t Text>) -> usize {
    let widest = texts.take(MOST).map(|text| width(&shown(text))).max().unwrap_or(0);
    widest.min((page.width * 45 / 100).max(16))
}

fn row(page: &mut Page, label: &str, value: &[Cell], told: &str, columns: usize) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    for (at, cells) in rows_within(value, columns, 12).iter().enumerate() {
        let label = if at == 0 { label } else { "" };
        page.styled(frame, &format!("{label:>5}  ")).cells(cells, bold);
        if at == 0 {
            page.pad(columns.saturating_sub(width(cells)) + 2).text(told);
        }
        page.end_row();
    }
}

fn named(page: &mut Page, element: &Element, told: &str, columns: usize) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    for (at, cells) in rows_within(&shown(&element.text), columns, 12).iter().enumerate() {
        let name = if at == 0 { element.name.as_str() } else { "" };
        page.styled(frame, &format!("{name:<18} ")).cells(cells, bold);
        if at == 0 {
            page.pad(columns.saturating_sub(width(cells)) + 2).text(told);
        }
        page.end_row();
    }
}

/// What a word that the interpreter kept is.
fn part(view: &View, at: usize) -> &'static str {
    match &view.started.program {
        Program::File(index, _) if *index == at && view.runtime.name == "java" => {
            "the class, jar or source file"
        }
        Program::File(index, _) if *index == at => "the program's file",
        Program::Text(..) | Program::Module(_) | Program::Input(_) | Program::File(..) => {
            "kept by the interpreter"
        }
        _ => "read by the interpreter",
    }
}

fn program_word(view: &View, element: &Element) -> &'static str {
    match view.started.program {
        Program::Itself => "the program",
        _ if element.from == Some(0) => "the interpreter",
        Program::File(..) => "the program's file",
        Program::Text(..) => "a text is the program",
        Program::Module(_) => "the module",
        _ => "standard input is the program",
    }
}

/// What people should know of a view.
fn remarks(view: &View) -> Vec<String> {
    let mut all = vec![view.runtime.remark.to_owned()];
    if view.started.loops {
        all.push("An option makes the program run once for each line of its input: the arguments are files to read.".into());
    }
    if view.arguments.iter().any(|one| one.is_refused(view.runtime)) {
        all.push("std::env::args panics here: an argument is not UTF-8.".into());
    }
    if view.arguments.iter().any(|one| one.changed) {
        all.push("An argument is not UTF-8: the program sees other bytes than were passed.".into());
    }
    all.retain(|one| !one.is_empty());
    all
}

/// One row a runtime.
fn table(page: &mut Page, all: &[Shown]) {
    let given = all.iter().map(|one| one.view.arguments.len()).max().unwrap_or(0);
    let noun = if given == 1 { "argument" } else { "arguments" };
    page.text(&format!("{given} {noun}, as each runtime shows them")).end_row();
    page.end_row();
    let columns = Columns::of(page.width);
    columns.write(page, &["runtime", "program", "first", "count"].map(str::to_owned));
    for one in all {
        let view = &one.view;
        let program = match view.programs.last() {
            Some(element) => format!("{} {}", element.name, plain(&element.text)),
            None => "has no name here".into(),
        };
        let null = if view.runtime.null {
            format!(", {} NULL", view.runtime.element_name(view.started.argv.len()))
        } else {
            String::new()
        };
        let counts: Vec<String> =
            view.counts.iter().map(|(name, count)| format!("{name} = {count}")).collect();
        let count = format!("{}{null}", counts.join(", "));
        let first = view.runtime.element_name(view.first);
        let cells = [view.runtime.name.to_owned(), program, first, count];
        columns.write(page, &cells);
    }
    page.end_row();
    arguments(page, all);
}

/// The arguments, and where a runtime makes something else of them.
fn arguments(page: &mut Page, all: &[Shown]) {
    let Some(plainest) = all.iter().find(|one| one.view.runtime.grammar.is_none()) else { return };
    let wide =
        columns(page, all.iter().flat_map(|one| one.view.arguments.iter().map(|one| &one.text)));
    for (nth, element) in plainest.view.arguments.iter().enumerate().take(MOST) {
        row(page, &(nth + 1).to_string(), &shown(&element.text), "", wide);
        for one in all {
            let Some(other) = one.view.arguments.get(nth) else { continue };
            if other.changed {
                row(page, "", &shown(&other.text), &format!("in {}", one.view.runtime.name), wide);
            } else if other.is_refused(one.view.runtime) {
                row(
                    page,
                    "",
                    &[],
                    &format!("in {}: std::env::args panics here", one.view.runtime.name),
                    wide,
                );
            }
        }
    }
    if plainest.view.arguments.len() > MOST {
        let more = plainest.view.arguments.len() - MOST;
        page.text(&format!("... {more} more; --format json has them all")).end_row();
    }
}

fn plain(text: &Text) -> String {
    shown(text).iter().map(|cell| &*cell.shown).collect()
}

/// The widths of the table's columns.
struct Columns([usize; 4]);

impl Columns {
    fn of(page: usize) -> Columns {
        let room = page.saturating_sub(NAME + 6).max(30);
        Columns([NAME, room * 36 / 100, room * 25 / 100, room * 39 / 100])
    }

    fn write(&self, page: &mut Page, cells: &[String; 4]) {
        let broken: Vec<Vec<String>> =
            cells.iter().zip(self.0).map(|(cell, width)| broken(cell, width)).collect();
        let height = broken.iter().map(Vec::len).max().unwrap_or(0);
        let (frame, bold) = (page.palette.frame, page.palette.value);
        for at in 0..height {
            for (column, rows) in broken.iter().enumerate() {
                let text = rows.get(at).map_or("", String::as_str);
                let style = if column == 0 {
                    frame
                } else if column == 2 {
                    bold
                } else {
                    anstyle::Style::new()
                };
                let pad = (self.0[column] + 2).saturating_sub(text.chars().count());
                page.styled(style, text).pad(pad);
            }
            page.end_row();
        }
    }
}

/// A text in rows of at most so many columns, broken at blanks where it can be.
fn broken(text: &str, width: usize) -> Vec<String> {
    let mut out = Vec::new();
    for row in wrap(text, width) {
        let characters: Vec<char> = row.chars().collect();
        out.extend(characters.chunks(width.max(1)).map(|chunk| chunk.iter().collect()));
    }
    out
}

/// What reading an argument does, a row a runtime.
fn readings(page: &mut Page, all: &[Shown]) {
    let frame = page.palette.frame;
    for (at, one) in all.iter().filter(|one| !one.readings.is_empty()).enumerate() {
        if at == 0 {
            page.text("reading, in each language's usual way").end_row();
        }
        for (nth, reading) in one.readings.iter().enumerate() {
            let name = if nth == 0 { one.view.runtime.name } else { "" };
            page.styled(frame, &format!("{name:<NAME$} {:<18} ", reading.form));
            outcome_of(page, reading);
        }
    }
}

fn outcome_of(page: &mut Page, reading: &Reading) {
    let (bold, alert) = (page.palette.value, page.palette.alert);
    match &reading.got {
        Got::Text(text) => page.cells(&shown(text), bold).end_row(),
        Got::Empty => page.text("empty: as if an empty argument were there").end_row(),
        Got::Nothing(name) => page.text(&format!("{name}: no error")).end_row(),
        Got::Fails(name, message, status) => {
            page.styled(alert, name);
            lines(page, &format!(": {message}, status {status}"), NAME + 20 + name.len())
        }
        Got::Killed(signal, why) => {
            page.styled(alert, signal);
            lines(page, &format!(": {why}"), NAME + 20 + signal.len())
        }
        Got::Environment(number) => lines(
            page,
            &format!("string {number} of the environment, which is no argument"),
            NAME + 20,
        ),
        Got::Chance => page.styled(alert, "anything can happen").end_row(),
    };
}

/// The rest of a row, broken under its start.
fn lines<'p>(page: &'p mut Page, text: &str, used: usize) -> &'p mut Page {
    let room = page.width.saturating_sub(used).max(20);
    for (at, row) in wrap(text, room).iter().enumerate() {
        if at > 0 {
            page.pad(NAME + 20);
        }
        page.text(row).end_row();
    }
    page
}

/// What conversions make of each argument; rows with the same outcome and language stand together.
fn conversions(page: &mut Page, all: &[Shown]) {
    let frame = page.palette.frame;
    let every: Vec<&Converted> = all.iter().flat_map(|one| &one.conversions).collect();
    let Some(count) = every.iter().map(|one| one.number).max() else { return };
    let widest = every.iter().map(|one| one.form.len()).max().unwrap_or(0);
    for number in 1..=count.min(MOST) {
        for (kind, word) in [(As::Int, "int"), (As::Float, "float")] {
            let here: Vec<&&Converted> =
                every.iter().filter(|one| one.number == number && one.kind == kind).collect();
            if here.is_empty() {
                continue;
            }
            let text = all.iter().find_map(|one| {
                let argument = one.view.arguments.get(number - 1)?;
                one.view.started.argv.get(argument.from?)
            });
            page.styled(frame, &format!("argument {number}, as {word}:  "));
            page.cells(&shown(text.unwrap_or(&Text::new())), page.palette.value).end_row();
            let mut last = "";
            for one in here {
                let name = if one.language == last { "" } else { one.language };
                last = one.language;
                page.styled(frame, &format!("  {name:<10} "))
                    .text(&format!("{:<widest$}  ", one.form));
                result(page, &one.outcome, text.map_or(&b""[..], Text::bytes));
            }
            page.end_row();
        }
    }
}

/// The languages for which no conversion of a kind that was asked for is known.
fn unconverted(page: &mut Page, all: &[Shown]) {
    for (kind, word) in [(As::Int, "int"), (As::Float, "float")] {
        let without = all.iter().filter(|one| one.unconverted.contains(&kind));
        let names: Vec<&str> = without.map(|one| one.view.runtime.name).collect();
        if !names.is_empty() {
            let text = format!("no conversion to {word} is known for: {}", names.join(", "));
            for row in wrap(&text, page.width) {
                page.text(&row).end_row();
            }
        }
    }
}

fn result(page: &mut Page, outcome: &Outcome, text: &[u8]) {
    let (bold, alert) = (page.palette.value, page.palette.alert);
    match outcome.shown() {
        Ok(value) => page.styled(bold, &value),
        Err(error) => page.styled(alert, error),
    };
    if outcome.out_of_range {
        page.styled(alert, "  ERANGE");
    }
    if let Some(stops) = outcome.stops.filter(|stops| *stops < text.len()) {
        let left = String::from_utf8_lossy(&text[stops..]).into_owned();
        page.text(&format!("  stops at {stops}, before {left:?}"));
    }
    page.end_row();
}
