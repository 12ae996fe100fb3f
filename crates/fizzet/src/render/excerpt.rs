//! A piece of a source text with places in it underlined and labelled.

use fizzet_core::source::{Sources, Span};
use unicode_width::UnicodeWidthStr;

use crate::render::page::Page;
use crate::render::visible::{Cell, Spaces, cells, rows};

/// The most rows of source text that are shown.
const MAX_ROWS: usize = 16;
/// The most bytes of source text that are looked at for an excerpt.
const MAX_BYTES: usize = 8192;

/// A place to underline.
#[derive(Clone, Debug)]
pub(super) struct Mark {
    /// Where.
    pub(super) span: Span,
    /// What to write below.
    pub(super) label: String,
}

/// How an excerpt looks.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Look {
    /// Words of a command: a line below each, in the frame colour.
    Words,
    /// A mistake: carets below it, in the alert colour.
    Mistake,
}

/// Writes the text of `span`, two columns in, with its marks below each row.
pub(super) fn write(page: &mut Page, sources: &Sources, span: Span, marks: &[Mark], look: Look) {
    let bytes = sources.bytes(span);
    let shown = &bytes[..bytes.len().min(MAX_BYTES)];
    let mut lines = Vec::new();
    let mut offset = span.start as usize;
    for line in shown.split(|&byte| byte == b'\n') {
        let cells = cells(line, Spaces::Plain);
        for row in rows(&cells, page.width.saturating_sub(4).max(8)) {
            lines.push((offset, row.to_vec()));
        }
        offset += line.len() + 1;
    }
    let cut = lines.len() > MAX_ROWS || shown.len() < bytes.len();
    lines.truncate(MAX_ROWS);
    let mut end = span.start as usize;
    let mut marks = marks;
    for (offset, row) in &lines {
        let typed = page.palette.typed;
        page.text("  ").cells(row, typed).end_row();
        while let [mark, rest @ ..] = marks
            && (mark.span.end as usize) <= *offset
            && !rest.is_empty()
        {
            marks = rest;
        }
        let shown_end = row.last().map_or(*offset, |cell| offset + cell.end);
        let near = marks.partition_point(|mark| (mark.span.start as usize) <= shown_end);
        underline(page, *offset, row, &marks[..near], look);
        end = row.last().map_or(*offset, |cell| offset + cell.end);
    }
    if cut {
        let left = (span.end as usize).saturating_sub(end);
        page.text(&format!("  ... and {left} more bytes")).end_row();
    }
}

fn underline(page: &mut Page, offset: usize, row: &[Cell], marks: &[Mark], look: Look) {
    let (sign, style) = match look {
        Look::Words => ("─", page.palette.frame),
        Look::Mistake => ("^", page.palette.alert),
    };
    let mut line = String::new();
    let mut labels: Vec<(usize, &str)> = Vec::new();
    let mut column = 0;
    let mut labelled = 0;
    for cell in row {
        let (start, end) = (offset + cell.start, offset + cell.end);
        let mark = marks
            .iter()
            .position(|mark| (mark.span.start as usize) < end && start < (mark.span.end as usize));
        line.push_str(&if mark.is_some() { sign } else { " " }.repeat(cell.width));
        if let Some(at) = mark
            && start <= marks[at].span.start as usize
            && (marks[at].span.start as usize) < end
            && labelled <= at
        {
            labels.push((column, &marks[at].label));
            labelled = at + 1;
        }
        column += cell.width;
    }
    // A mistake at the very end of the text has no byte to stand under.
    if let (Look::Mistake, Some(mark)) = (look, marks.first())
        && mark.span.is_empty()
        && mark.span.start as usize == offset + row.last().map_or(0, |cell| cell.end)
    {
        line.push_str(sign);
    }
    if line.trim().is_empty() {
        return;
    }
    page.text("  ").styled(style, line.trim_end()).end_row();
    write_labels(page, labels);
}

/// Writes labels below their columns, on as many rows as it takes for none to touch another.
fn write_labels(page: &mut Page, mut labels: Vec<(usize, &str)>) {
    labels.retain(|(_, label)| !label.is_empty());
    while !labels.is_empty() {
        let mut row = String::new();
        let mut used = 0;
        labels.retain(|&(column, label)| {
            if column < used {
                return true;
            }
            row.push_str(&" ".repeat(column - row.width()));
            row.push_str(label);
            used = column + label.width() + 1;
            false
        });
        let frame = page.palette.frame;
        page.text("  ").styled(frame, &row).end_row();
    }
}
