//! The positional parameters as a row of boxes, and how they move.

use fizzet_core::state::Positional;
use fizzet_core::walk::{Cause, Change};

use crate::render::line;
use crate::render::page::Page;
use crate::render::visible::{Cell, rows, width};

/// The widest box, in columns of text.
const WIDEST: usize = 24;
/// The columns of a narrow box, so that its arrow has room.
const NARROWEST: usize = 4;

/// The boxes that fit into a row.
struct Row {
    cells: Vec<Vec<Cell>>,
    widths: Vec<usize>,
    /// Parameters that do not fit.
    left: usize,
    count: usize,
}

impl Row {
    fn new(parameters: &Positional, room: usize) -> Row {
        let count = parameters.count();
        let mut row = Row { cells: Vec::new(), widths: Vec::new(), left: 0, count };
        let mut used = 1;
        for number in 1..=count {
            let Some(text) = parameters.get(number) else { break };
            let shown = line::shown(&text);
            let mut kept = rows(&shown, WIDEST)[0].to_vec();
            if kept.len() < shown.len() {
                kept = rows(&shown, WIDEST - 3)[0].to_vec();
                kept.push(Cell { shown: "...".into(), width: 3, mark: true, start: 0, end: 0 });
            }
            let columns = width(&kept).max(NARROWEST);
            if used + columns + 3 > room {
                row.left = count - (number - 1);
                break;
            }
            used += columns + 3;
            row.cells.push(kept);
            row.widths.push(columns);
        }
        row
    }

    fn edge(&self, page: &mut Page, margin: usize, (left, middle, right): (&str, &str, &str)) {
        let lines: Vec<String> =
            self.widths.iter().map(|columns| "─".repeat(columns + 2)).collect();
        let frame = page.palette.frame;
        let edge = format!("{left}{}{right}", lines.join(middle));
        page.pad(margin).styled(frame, &edge).end_row();
    }

    fn write(&self, page: &mut Page, margin: usize) {
        let (frame, bold) = (page.palette.frame, page.palette.value);
        if self.count == 0 {
            page.pad(margin).text("$# = 0, no parameters").end_row();
            return;
        }
        self.edge(page, margin, ("┌", "┬", "┐"));
        page.pad(margin).styled(frame, "│");
        for (cells, columns) in self.cells.iter().zip(&self.widths) {
            page.text(" ").cells(cells, bold).pad(columns - width(cells) + 1).styled(frame, "│");
        }
        if self.left > 0 {
            page.text(&format!(" and {} more", self.left));
        }
        page.text(&format!("  $# = {}", self.count)).end_row();
        self.edge(page, margin, ("└", "┴", "┘"));
    }

    /// Where each parameter goes when the first `by` fall off.
    fn slide(&self, page: &mut Page, margin: usize, by: usize) {
        let mut text = String::new();
        for (at, columns) in self.widths.iter().enumerate() {
            let goes = match at < by {
                true => "gone".to_owned(),
                false => format!("↓ ${}", at + 1 - by),
            };
            text.push_str("  ");
            text.push_str(&goes);
            let used = goes.chars().count();
            text.extend(std::iter::repeat_n(' ', (columns + 1).saturating_sub(used)));
        }
        let frame = page.palette.frame;
        page.pad(margin).styled(frame, &text).end_row();
    }
}

/// The parameters as they stand.
pub(super) fn one(page: &mut Page, parameters: &Positional, margin: usize) {
    let room = page.width.saturating_sub(margin + 20).max(20);
    Row::new(parameters, room).write(page, margin);
}

/// The parameters before and after a change, and what it moved.
pub(super) fn moved(page: &mut Page, change: &Change<'_>, margin: usize) {
    let room = page.width.saturating_sub(margin + 20).max(20);
    let before = Row::new(change.before, room);
    match change.cause {
        Cause::Shift(0) => return,
        Cause::Shift(by) => {
            before.write(page, margin);
            before.slide(page, margin, by);
        }
        Cause::Set => {
            before.write(page, margin);
            page.pad(margin).text("  replaced by").end_row();
        }
        Cause::Call => {
            page.pad(margin).text("the function has its own").end_row();
        }
        Cause::Source => {
            page.pad(margin).text("the file has its own").end_row();
        }
        Cause::Return => {
            page.pad(margin).text("back to the ones before").end_row();
        }
    }
    Row::new(change.after, room).write(page, margin);
}
