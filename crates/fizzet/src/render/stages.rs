//! `--show stages`: what each stage of the expansion made of each word.

use fizzet_core::source::Sources;
use fizzet_core::text::Text;
use fizzet_core::trace::{CommandTrace, Stage, StageTrace, WordTrace};

use crate::render::page::Page;
use crate::render::visible::{Cell, Spaces, cells, rows_within, width};

/// The most fields of one stage that are shown.
const MAX_FIELDS: usize = 24;
/// The most rows that one field takes.
const MAX_ROWS: usize = 4;
/// The column in which fields begin.
const COLUMN: usize = 18;

/// The words of a command, stage by stage; a word that no stage changes is left out.
pub(super) fn write(page: &mut Page, sources: &Sources, command: &CommandTrace) {
    page.text("stages").end_row();
    let changed: Vec<&WordTrace> =
        command.words.iter().filter(|word| word.stages.len() > 1).collect();
    if changed.is_empty() {
        page.text("  no stage changes a word").end_row();
    }
    for word in changed {
        let written = cells(sources.bytes(word.span), Spaces::Plain);
        let room = page.width.saturating_sub(4).max(16);
        let typed = page.palette.typed;
        for row in rows_within(&written, room, MAX_ROWS) {
            page.text("  ").cells(&row, typed).end_row();
        }
        for stage in word.stages.iter().filter(|stage| stage.stage != Stage::Written) {
            one(page, stage);
        }
    }
}

fn one(page: &mut Page, stage: &StageTrace) {
    let frame = page.palette.frame;
    let name = match stage.stage {
        Stage::QuoteRemoval => "quote removal",
        other => other.name(),
    };
    let quotes = stage.stage != Stage::QuoteRemoval;
    let label = format!("    {name}");
    if stage.fields.is_empty() {
        page.styled(frame, &label)
            .pad(COLUMN.saturating_sub(label.len()))
            .text("no field")
            .end_row();
    }
    let mut label = label.as_str();
    for text in stage.fields.iter().take(MAX_FIELDS) {
        let shown = field(text, quotes);
        let room = page.width.saturating_sub(COLUMN + 1).max(10);
        for row in rows_within(&shown, room, MAX_ROWS) {
            page.styled(frame, label).pad(COLUMN.saturating_sub(label.len()));
            page.cells(&row, page.palette.value).end_row();
            label = "";
        }
    }
    if stage.fields.len() > MAX_FIELDS {
        let more = stage.fields.len() - MAX_FIELDS;
        page.pad(COLUMN).text(&format!("... and {more} more fields")).end_row();
    }
}

/// A field with what is still quoted between quotes.
fn field(text: &Text, quotes: bool) -> Vec<Cell> {
    let mark =
        |sign: &'static str| Cell { shown: sign.into(), width: 1, mark: true, start: 0, end: 0 };
    let mut shown = Vec::new();
    let mut open = false;
    for (run, bytes) in text.runs() {
        let quoted = quotes && run.is_quoted();
        if quoted != open {
            shown.push(mark("\""));
            open = quoted;
        }
        shown.extend(cells(&bytes[..bytes.len().min(400)], Spaces::Marked));
        if run.hole {
            shown.push(Cell {
                shown: "⟨not known⟩".into(),
                width: 11,
                mark: true,
                start: 0,
                end: 0,
            });
        }
    }
    if open {
        shown.push(mark("\""));
    }
    if width(&shown) == 0 {
        shown.push(Cell { shown: "⟨empty⟩".into(), width: 7, mark: true, start: 0, end: 0 });
    }
    shown
}
