//! `walk` for people: what happens, in order, as it happens.
//!
//! Each command stands with its line and its text; below it, the vector that its words became, and how
//! the positional parameters moved. Passes of a loop that are like the ones before are folded.

use std::io::{self, Write};

use fizzet_core::notes::Watch;
use fizzet_core::source::{SourceId, Span};
use fizzet_core::state::Positional;
use fizzet_core::text::Text;
use fizzet_core::trace::{CommandKind, CommandTrace, Ending};
use fizzet_core::walk::{Change, Moment, Observer, Refusal, Wants, Watched};
use rustc_hash::FxHashMap;

use crate::cli::{Only, Show, WalkOptions};
use crate::failure::Failure;
use crate::render::launch;
use crate::render::page::Page;
use crate::render::visible::{Cell, Spaces, cells, rows, rows_within, width};
use crate::render::{boxes, detail, line};

/// How many passes of the same command are told before the others are folded.
const PASSES: u32 = 2;
/// Columns that the line number takes.
const MARGIN: usize = 6;

/// What of a script is told.
#[derive(Clone, Debug)]
pub struct Selection {
    only: Option<Only>,
    lines: Option<(usize, usize)>,
    until: Option<usize>,
}

impl Selection {
    /// The selection that the options make.
    pub fn new(options: &WalkOptions) -> Selection {
        Selection { only: options.only, lines: options.lines, until: options.until }
    }

    /// What has to be told of an evaluation.
    pub fn wants(&self) -> Wants {
        // Where `--until` stops has to be seen from the commands.
        let commands = self.only != Some(Only::Params) || self.until.is_some();
        let params = self.only != Some(Only::Commands);
        Wants { commands, params, output: self.only.is_none() }
    }

    /// Whether something at this place is told; the place may be behind the last one of interest.
    ///
    /// # Errors
    /// Nothing behind here is of interest.
    pub fn covers(&self, moment: Moment<'_>, span: Span) -> Result<bool, Refusal> {
        if self.lines.is_none() && self.until.is_none() {
            return Ok(true);
        }
        let line = moment.sources.position(span).line;
        let here = span.source == SourceId::MAIN;
        if here && self.until.is_some_and(|until| line > until) {
            return Err(Refusal::Enough);
        }
        Ok(self.lines.is_none_or(|(first, last)| here && (first..=last).contains(&line)))
    }
}

/// What has been folded since the last thing that was told.
#[derive(Default)]
struct Folded {
    commands: u64,
    passes: u32,
    /// The parameters as the folded passes left them, if they moved them.
    params: Option<Positional>,
}

/// Writes the timeline.
pub struct Timeline<W> {
    out: W,
    page: Page,
    selection: Selection,
    show: Vec<Show>,
    every: bool,
    notes: Watch,
    seen: FxHashMap<Span, u32>,
    folded: Folded,
    /// Whether the latest command was folded: then what it causes is, too.
    folding: bool,
    /// Whether the latest command is none that is asked for.
    silent: bool,
    failure: Option<Failure>,
}

impl<W: Write> Timeline<W> {
    /// A timeline that has told nothing yet.
    pub fn new(out: W, page: Page, options: &WalkOptions) -> Timeline<W> {
        Timeline {
            out,
            page,
            selection: Selection::new(options),
            show: options.show.clone(),
            every: options.every,
            notes: Watch::default(),
            seen: FxHashMap::default(),
            folded: Folded::default(),
            folding: false,
            silent: false,
            failure: None,
        }
    }

    /// Tells what is still folded, and flushes.
    ///
    /// # Errors
    /// What the writer said at any time.
    pub fn finish(&mut self, watched: &Watched) -> Result<(), Failure> {
        self.unfold();
        self.page.end_row();
        let told = match (watched.left_early, &watched.ending) {
            (true, _) => "here the walk was left".to_owned(),
            (_, Ending::Complete | Ending::Incomplete | Ending::ShellStops(_)) => {
                format!("at the end, with status {}", watched.state.status)
            }
            _ => "here the walk stopped".to_owned(),
        };
        self.page.text(&told).end_row();
        boxes::one(&mut self.page, &watched.state.positional, MARGIN);
        // A refusal is in `failure` by now.
        let _ = self.flush();
        if self.failure.is_none() {
            self.out.flush()?;
        }
        self.failure.take().map_or(Ok(()), Err)
    }

    fn flush(&mut self) -> Result<(), Refusal> {
        let text = self.page.take();
        if text.is_empty() {
            return Ok(());
        }
        self.out.write_all(text.as_bytes()).map_err(|error: io::Error| {
            self.failure = Some(error.into());
            Refusal::Enough
        })
    }

    /// Counts a place; whether what happens there is told: `new` if it is not like what was told.
    fn tells(&mut self, span: Span, new: bool) -> bool {
        let seen = self.seen.entry(span).or_insert(0);
        *seen += 1;
        let told = self.every || new || *seen <= PASSES;
        match told {
            true => self.unfold(),
            false => {
                self.folded.commands += 1;
                self.folded.passes = self.folded.passes.max(*seen - PASSES);
            }
        }
        self.folding = !told;
        told
    }

    fn unfold(&mut self) {
        let folded = std::mem::take(&mut self.folded);
        if folded.commands == 0 {
            return;
        }
        let passes = if folded.passes == 1 { "pass" } else { "passes" };
        let commands = if folded.commands == 1 { "command" } else { "commands" };
        let text = format!(
            "... {} more {passes} like this, {} {commands}; --every tells them",
            folded.passes, folded.commands
        );
        let frame = self.page.palette.frame;
        self.page.pad(MARGIN).styled(frame, &text).end_row();
        if let Some(params) = folded.params {
            boxes::one(&mut self.page, &params, MARGIN);
        }
    }

    /// The line and the text of a command; whether the text is cut.
    fn statement(&mut self, moment: Moment<'_>, span: Span) -> bool {
        let position = moment.sources.position(span);
        let label = match span.source == SourceId::MAIN {
            true => position.line.to_string(),
            false => format!("{} {}", moment.sources.get(span.source).kind.name(), position.line),
        };
        let text = moment.sources.bytes(span);
        let first = text.split(|&byte| byte == b'\n').next().unwrap_or_default();
        let mut shown = cells(first, Spaces::Plain);
        let room = self.page.width.saturating_sub(MARGIN).max(20);
        let is_cut = width(&shown) > room || first.len() < text.len();
        if is_cut {
            shown.truncate(rows(&shown, room - 4).first().map_or(0, |row| row.len()));
            shown.push(Cell { shown: " ...".into(), width: 4, mark: true, start: 0, end: 0 });
        }
        let (frame, typed) = (self.page.palette.frame, self.page.palette.typed);
        let pad = (MARGIN - 2).saturating_sub(label.chars().count());
        self.page.pad(pad).styled(frame, &label).pad(2).cells(&shown, typed).end_row();
        is_cut
    }

    /// The vector, the arguments behind each other.
    fn vector(&mut self, arguments: &[Text]) {
        let frame = self.page.palette.frame;
        let room = self.page.width.saturating_sub(MARGIN + 2).max(20);
        let (mut used, mut told) = (0, 0);
        self.page.pad(MARGIN);
        for (at, argument) in arguments.iter().enumerate() {
            let index = format!("[{at}] ");
            let shown = line::shown(argument);
            let rows = rows_within(&shown, room.saturating_sub(index.len()), MAX_VALUE_ROWS);
            let columns = index.len() + rows.first().map_or(0, |row| width(row)) + 2;
            if used > 0 && (used + columns > room || rows.len() > 1) {
                self.page.end_row().pad(MARGIN);
                used = 0;
                told += 1;
            }
            if told >= MAX_ROWS {
                let left = arguments.len() - at;
                self.page.text(&format!("... {left} more; --format json has them all"));
                break;
            }
            let bold = self.page.palette.value;
            self.page.styled(frame, &index);
            for (row, part) in rows.iter().enumerate() {
                if row > 0 {
                    self.page.end_row().pad(MARGIN + index.len());
                }
                self.page.cells(part, bold);
            }
            self.page.pad(2);
            told += rows.len() - 1;
            used += if rows.len() > 1 { room } else { columns };
        }
        self.page.end_row();
    }

    fn assignments(&mut self, command: &CommandTrace) {
        let bold = self.page.palette.value;
        for assignment in &command.assignments {
            let assigned = line::assigned(assignment);
            for (name, value) in &assigned.values {
                let shown = line::shown(value);
                let room = self.page.width.saturating_sub(MARGIN + name.len() + 3).max(20);
                let label = format!("{name} = ");
                self.value(&label, &rows_within(&shown, room, MAX_VALUE_ROWS), bold);
            }
            if let Some(left_out) = assigned.left_out {
                self.page.pad(MARGIN).text(&left_out).end_row();
            }
        }
    }

    /// A value behind a label, in as many rows as it has.
    fn value(&mut self, label: &str, rows: &[Vec<Cell>], style: anstyle::Style) {
        self.page.pad(MARGIN).text(label);
        let label = label.chars().count();
        for (at, row) in rows.iter().enumerate() {
            if at > 0 {
                self.page.pad(MARGIN + label);
            }
            self.page.cells(row, style).end_row();
        }
    }
}

/// The most rows that one vector takes.
const MAX_ROWS: usize = 12;

/// The most rows of one argument or value.
const MAX_VALUE_ROWS: usize = 4;

/// The most rows of what a command prints.
const MAX_OUTPUT_ROWS: usize = 6;

impl<W: Write> Observer for Timeline<W> {
    fn wants(&self) -> Wants {
        self.selection.wants()
    }

    fn command(&mut self, moment: Moment<'_>, command: CommandTrace) -> Result<(), Refusal> {
        let told = self.selection.covers(moment, command.span)?;
        self.silent = !told;
        if !told || self.selection.only == Some(Only::Params) {
            return Ok(());
        }
        let notes = self.notes.look(moment.sources, &command);
        if !self.tells(command.span, !notes.is_empty()) {
            return Ok(());
        }
        let is_cut = self.statement(moment, command.span);
        if is_cut || !stands_as_written(moment, &command) {
            self.vector(&command.argv);
        }
        self.assignments(&command);
        if let Some(way) = &command.way {
            self.page.indented(MARGIN, |page| launch::way(page, moment.sources, way));
        }
        let closer = command.kind == CommandKind::External;
        if closer && self.show.contains(&Show::Lineage) {
            self.page.indented(MARGIN, |page| detail::lineage(page, moment.sources, &command));
        }
        if closer && self.show.contains(&Show::Bytes) {
            self.page.indented(MARGIN, |page| detail::bytes(page, moment.sources, &command));
        }
        for note in notes {
            self.page.indented(MARGIN, |page| line::one_note(page, moment.sources, &note));
        }
        self.flush()
    }

    fn params(&mut self, moment: Moment<'_>, change: Change<'_>) -> Result<(), Refusal> {
        if !self.selection.covers(moment, change.span)? {
            return Ok(());
        }
        let folds = match self.selection.only == Some(Only::Params) {
            true => {
                let told = self.tells(change.span, false);
                if told {
                    self.statement(moment, change.span);
                }
                !told
            }
            false => self.folding,
        };
        if folds {
            self.folded.params = Some(change.after.share());
            return Ok(());
        }
        boxes::moved(&mut self.page, &change, MARGIN);
        self.flush()
    }

    fn output(&mut self, _: Moment<'_>, text: &Text) -> Result<(), Refusal> {
        if self.folding || self.silent {
            return Ok(());
        }
        let shown = line::shown(text);
        let room = self.page.width.saturating_sub(MARGIN + 8).max(20);
        let bold = self.page.palette.value;
        self.value("prints ", &rows_within(&shown, room, MAX_OUTPUT_ROWS), bold);
        self.flush()
    }
}

/// Whether the vector is nothing but the words as they are written.
fn stands_as_written(moment: Moment<'_>, command: &CommandTrace) -> bool {
    command.argv.len() == command.words.len()
        && command.words.iter().zip(command.argv.iter()).all(|(word, argument)| {
            !argument.has_hole()
                && word.span.source == command.span.source
                && moment.sources.bytes(word.span) == argument.bytes()
        })
}
