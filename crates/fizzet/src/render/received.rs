//! `receive` for people.

use crate::render::page::Page;
use crate::render::visible::{Cell, Spaces, cells, rows, width};

/// The most bytes of one argument that are shown.
const MAX_BYTES: usize = 4096;

/// Shows a vector as it arrived.
pub fn write(page: &mut Page, vector: &[Vec<u8>], taken: &[Vec<u8>]) {
    page.text(&format!("argc = {}", vector.len())).end_row();
    let index = vector.len().to_string().len() + 3;
    let lengths: Vec<String> = vector.iter().map(|bytes| told_length(bytes.len())).collect();
    let length = lengths.iter().map(String::len).max().unwrap_or(0);
    let room = page.width.saturating_sub(index + length + 4).max(8);
    let (frame, bold) = (page.palette.frame, page.palette.value);
    for (at, bytes) in vector.iter().enumerate() {
        let shown = shown(bytes);
        for (row, part) in rows(&shown, room).into_iter().enumerate() {
            let (label, size) = match row {
                0 => (format!("[{at}]"), lengths[at].as_str()),
                _ => (String::new(), ""),
            };
            page.styled(frame, &format!("{label:>index$}  {size:>length$}  "));
            page.cells(part, bold).end_row();
        }
    }
    let null = format!("[{}]", vector.len());
    page.styled(frame, &format!("{null:>index$}  {:>length$}  NULL", "")).end_row();
    if !taken.is_empty() {
        let words: Vec<String> = taken.iter().map(|word| plain(word)).collect();
        page.text(&format!("taken by fizzet itself: {}", words.join(" "))).end_row();
    }
}

fn told_length(bytes: usize) -> String {
    match bytes {
        1 => "1 byte ".into(),
        _ => format!("{bytes} bytes"),
    }
}

fn shown(bytes: &[u8]) -> Vec<Cell> {
    let mut shown = cells(&bytes[..bytes.len().min(MAX_BYTES)], Spaces::Marked);
    let told = match bytes.len() {
        0 => "⟨empty⟩".to_string(),
        length if length > MAX_BYTES => format!("⟨and {} more bytes⟩", length - MAX_BYTES),
        _ => return shown,
    };
    let columns = told.chars().count();
    shown.push(Cell { shown: told.into(), width: columns, mark: true, start: 0, end: 0 });
    debug_assert!(width(&shown) > 0);
    shown
}

fn plain(bytes: &[u8]) -> String {
    cells(bytes, Spaces::Marked).iter().map(|cell| &*cell.shown).collect()
}
