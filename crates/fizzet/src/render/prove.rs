//! `view --prove` for people: what is predicted beside what was really seen.

use crate::commands::prove::Proof;
use crate::render::page::Page;
use crate::render::visible::{Cell, Spaces, cells, rows_within, told, width};

/// The most rows of a runtime.
const MOST: usize = 40;

/// Writes all of it.
pub fn write(page: &mut Page, proofs: &[Proof]) {
    let (frame, alert) = (page.palette.frame, page.palette.alert);
    let columns = (page.width.saturating_sub(26) / 2).max(10);
    page.styled(frame, &format!("{:<22}{:<columns$}  really seen", "", "predicted")).end_row();
    for proof in proofs.iter().filter(|proof| proof.seen.is_some()) {
        let seen = proof.seen.as_deref().unwrap_or_default();
        page.styled(frame, proof.runtime.name)
            .text("  ")
            .text(&proof.runtime.sample.join(" "))
            .text(" ARG...")
            .end_row();
        let count = proof.predicted.len().max(seen.len());
        for at in 0..count.min(MOST) {
            let predicted = proof.predicted.get(at);
            let name = predicted.map_or("", |(name, _)| name.as_str());
            let real = seen.get(at).map(|record| value_of(record, name));
            let value = predicted.map(|(_, value)| value.as_slice());
            let differs = value != real.as_deref();
            two(page, name, value, real.as_deref(), columns);
            if differs {
                page.styled(alert, "  these differ").end_row();
            }
        }
        if count > MOST {
            page.text(&format!("  ... {} more", count - MOST)).end_row();
        }
    }
    page.end_row();
    let held = proofs.iter().filter(|proof| proof.holds() == Some(true)).count();
    let run = proofs.iter().filter(|proof| proof.seen.is_some()).count();
    page.text(&format!("{held} of {run} receivers saw exactly what is predicted")).end_row();
    let absent: Vec<&str> =
        proofs.iter().filter(|one| one.seen.is_none()).map(|one| one.runtime.name).collect();
    if !absent.is_empty() {
        page.text(&format!("not here: {}", absent.join(", "))).end_row();
    }
}

/// The value in a record, if the record is of that name.
fn value_of(record: &[u8], name: &str) -> Vec<u8> {
    let value = record.strip_prefix(name.as_bytes()).and_then(|rest| rest.strip_prefix(b" "));
    value.unwrap_or(record).to_vec()
}

fn two(page: &mut Page, name: &str, predicted: Option<&[u8]>, real: Option<&[u8]>, columns: usize) {
    let shown = |value: Option<&[u8]>| -> Vec<Cell> {
        let value = value.map(|bytes| &bytes[..bytes.len().min(400)]);
        match value {
            None => Vec::new(),
            Some(b"") => vec![told("⟨empty⟩")],
            Some(bytes) => cells(bytes, Spaces::Marked),
        }
    };
    let (left, right) = (shown(predicted), shown(real));
    let (left, right) = (rows_within(&left, columns, 8), rows_within(&right, columns, 8));
    let (frame, bold) = (page.palette.frame, page.palette.value);
    for at in 0..left.len().max(right.len()) {
        let name = if at == 0 { name } else { "" };
        let cells = left.get(at).map_or(&[][..], Vec::as_slice);
        page.styled(frame, &format!("  {name:<20}")).cells(cells, bold);
        page.pad(columns.saturating_sub(width(cells)) + 2);
        page.cells(right.get(at).map_or(&[][..], Vec::as_slice), bold).end_row();
    }
}
