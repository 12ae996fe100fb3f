//! `--show bytes` and `--show lineage`: one argument at a time, closer.

use bstr::ByteSlice;
use fizzet_core::lineage::{Origin, Rule};
use fizzet_core::source::Sources;
use fizzet_core::text::Text;
use fizzet_core::trace::CommandTrace;

use unicode_width::UnicodeWidthChar;

use crate::render::line::{marked_cells, with_marks};
use crate::render::page::{Page, wrap};
use crate::render::visible::{Spaces, width};

/// Bytes in one row of a dump.
const ROW: usize = 12;
/// The most rows of one dump.
const MAX_ROWS: usize = 64;
/// The most pieces whose way is told.
const MAX_PIECES: usize = 12;

/// Every argument's bytes beside its characters, with where each run of them came from.
pub fn bytes(page: &mut Page, sources: &Sources, command: &CommandTrace) {
    page.text("bytes").end_row();
    for (at, argument) in command.argv.iter().enumerate() {
        let frame = page.palette.frame;
        let length = match argument.len() {
            1 => "1 byte".to_string(),
            length => format!("{length} bytes"),
        };
        page.styled(frame, &format!(" [{at}]  {length}")).end_row();
        let mut offset = 0;
        let mut rows = 0;
        for (run, bytes) in argument.runs() {
            let written = sources.bytes(run.origin.span());
            let from = format!("{} {}", run.origin.rule().name(), shown(written, 24));
            for (nth, chunk) in chunks(bytes).enumerate() {
                rows += 1;
                if rows <= MAX_ROWS {
                    dump_row(page, offset, chunk, if nth == 0 { &from } else { "" });
                }
                offset += chunk.len();
            }
        }
        if rows > MAX_ROWS {
            page.text(&format!("      ... and {} more rows", rows - MAX_ROWS)).end_row();
        }
    }
}

/// Rows of a dump: a character is never broken.
fn chunks(bytes: &[u8]) -> impl Iterator<Item = &[u8]> {
    let mut rest = bytes;
    std::iter::from_fn(move || {
        let inside = |end: usize| rest.get(end).is_some_and(|byte| (0x80..0xc0).contains(byte));
        let mut end = ROW.min(rest.len());
        while end > ROW - 4 && inside(end) {
            end -= 1;
        }
        let (chunk, after) = rest.split_at(end);
        rest = after;
        (!chunk.is_empty()).then_some(chunk)
    })
}

fn dump_row(page: &mut Page, offset: usize, bytes: &[u8], from: &str) {
    let hex: Vec<String> = bytes.iter().map(|byte| format!("{byte:02x}")).collect();
    let printable = |character: char| match character {
        '!'..='~' => character,
        _ if character.is_alphanumeric() && character.width() == Some(1) => character,
        _ => '·',
    };
    let characters: String = bytes.chars().map(printable).collect();
    let (hex_width, room) = (ROW * 3, ROW + 2);
    page.text(&format!("{offset:>6}  {:<hex_width$}{characters:<room$}", hex.join(" ")));
    page.text(from).end_row();
}

/// The way of every argument, from where it stands back to where it was given.
pub fn lineage(page: &mut Page, sources: &Sources, command: &CommandTrace) {
    page.text("lineage").end_row();
    for (at, argument) in command.argv.iter().enumerate() {
        let frame = page.palette.frame;
        let text = shown(&with_marks(argument), 40);
        page.styled(frame, &format!(" [{at}]  ")).text(&text).end_row();
        pieces(page, sources, argument);
    }
}

fn pieces(page: &mut Page, sources: &Sources, argument: &Text) {
    let several = argument.run_count() > 1;
    for (run, bytes) in argument.runs().take(MAX_PIECES) {
        if several {
            page.text("      the piece ").text(&shown(bytes, 30)).end_row();
        }
        for origin in run.origin.hops() {
            let told = hop(sources, origin, bytes);
            for (nth, row) in wrap(&told, page.width.saturating_sub(10).max(20)).iter().enumerate()
            {
                page.text(if nth == 0 { "        < " } else { "          " }).text(row).end_row();
            }
            if origin.folded() > 0 {
                page.text(&format!("        < {} steps that are not kept", origin.folded()))
                    .end_row();
            }
        }
    }
    if argument.run_count() > MAX_PIECES {
        let more = argument.run_count() - MAX_PIECES;
        page.text(&format!("      ... and {more} more pieces")).end_row();
    }
}

/// One step of these bytes in plain words, with its place.
fn hop(sources: &Sources, origin: &Origin, bytes: &[u8]) -> String {
    let hop = origin.hop();
    let position = sources.position(hop.span);
    let source = sources.get(hop.span.source).kind.name();
    let place = format!("line {}, column {}", position.line, position.column);
    let name = hop.name.as_deref().unwrap_or_default().as_bstr().to_string();
    let written = shown(sources.bytes(hop.span), 30);
    let moved = match hop.shifted {
        0 => String::new(),
        count => format!(" (after shift had moved the parameters by {count})"),
    };
    match hop.rule {
        // Splitting or an operation has left a part of what was given.
        Rule::Given if sources.bytes(hop.span) != bytes && !bytes.is_empty() => {
            format!("given as {source}, as a part of {written}")
        }
        Rule::Given => format!("given as {source}"),
        Rule::Shell => "made by the shell itself".into(),
        Rule::Parameter => format!("the value of ${name}, expanded at {place}{moved}"),
        Rule::Stored if name.is_empty() => {
            format!("stored in the positional parameters at {place}")
        }
        Rule::Stored => format!("stored in {name} at {place}"),
        Rule::Call => format!("handed to a function at {place}"),
        Rule::Pathname => format!("matched by the pattern {written} at {place}"),
        Rule::Command => format!("printed inside the command substitution at {place}"),
        Rule::Arithmetic => format!("computed at {place}"),
        Rule::Folded => "one of many pieces that are no longer told apart".into(),
        Rule::Output => format!("printed by the command at {place}"),
        Rule::Join => format!("put between the parameters at {place}"),
        Rule::Tilde => format!("the home directory for the tilde at {place}"),
        Rule::Brace => format!("made by the braces at {place}"),
        Rule::Literal | Rule::Quoted | Rule::AnsiC => format!("written in {source} at {place}"),
    }
}

fn shown(bytes: &[u8], room: usize) -> String {
    if bytes.is_empty() {
        return "⟨empty⟩".into();
    }
    let cells = marked_cells(&bytes[..bytes.len().min(200)], Spaces::Marked);
    let mut text = String::new();
    let mut used = 0;
    for cell in &cells {
        if used + cell.width > room {
            return text + "...";
        }
        text.push_str(&cell.shown);
        used += cell.width;
    }
    debug_assert!(used == width(&cells));
    text
}
