//! Bytes made visible: every byte of an argument can be told from every other.
//!
//! A space in an argument is shown as `␣`. What does not print, what changes direction and what is
//! not valid UTF-8 is shown in `⟨ ⟩`: `⟨tab⟩`, `⟨newline⟩`, `⟨U+00A0⟩`, `⟨FF⟩`. The three signs that
//! are used for this are themselves shown by number when they occur in the data.

use std::borrow::Cow;

use bstr::ByteSlice;
use unicode_width::UnicodeWidthChar;

/// How a space is shown.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Spaces {
    /// As `␣`: in arguments.
    Marked,
    /// As they are: in the text that the person typed.
    Plain,
}

/// One thing on the screen that cannot be broken.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Cell {
    /// What is printed.
    pub shown: Cow<'static, str>,
    /// Columns it takes.
    pub width: usize,
    /// Whether it stands for something that does not print.
    pub mark: bool,
    /// Offset of its first byte.
    pub start: usize,
    /// Offset behind its last byte.
    pub end: usize,
}

impl Cell {
    /// How many bytes it stands for.
    fn bytes(&self) -> usize {
        self.end - self.start
    }
}

/// The cells of some bytes.
pub fn cells(bytes: &[u8], spaces: Spaces) -> Vec<Cell> {
    let mut cells: Vec<Cell> = Vec::with_capacity(bytes.len());
    for (start, end, character) in bytes.char_indices() {
        if let Some(shown) = plain(character, spaces) {
            cells.push(Cell { shown: Cow::Borrowed(shown), width: 1, mark: false, start, end });
            continue;
        }
        let raw = &bytes[start..end];
        let valid = std::str::from_utf8(raw).is_ok();
        if !valid {
            for (at, byte) in raw.iter().enumerate() {
                cells.push(mark(format!("⟨{byte:02X}⟩"), start + at, start + at + 1));
            }
            continue;
        }
        let width = character.width().unwrap_or(0);
        if width == 0 && !is_hidden(character) && !character.is_control() {
            // A combining character belongs to the one before it.
            if let Some(last) = cells.last_mut().filter(|last| !last.mark) {
                last.shown.to_mut().push(character);
                last.end = end;
                continue;
            }
        }
        cells.push(match named(character, spaces) {
            Some(shown) => mark(shown, start, end),
            None => Cell { shown: Cow::Owned(character.into()), width, mark: false, start, end },
        });
    }
    cells
}

/// One cell that tells something in words.
pub fn told(text: &str) -> Cell {
    let width = text.chars().count();
    Cell { shown: text.to_owned().into(), width, mark: true, start: 0, end: 0 }
}

/// A character of ASCII that shows as itself: the common case costs no memory.
fn plain(character: char, spaces: Spaces) -> Option<&'static str> {
    const SHOWN: &str = " !\"#$%&'()*+,-./0123456789:;<=>?@ABCDEFGHIJKLMNOPQRSTUVWXYZ[\\]^_`\
                         abcdefghijklmnopqrstuvwxyz{|}~";
    let first = if spaces == Spaces::Marked { '!' } else { ' ' };
    let at = (first..='~').contains(&character).then(|| character as usize - ' ' as usize)?;
    SHOWN.get(at..=at)
}

fn mark(shown: String, start: usize, end: usize) -> Cell {
    let width = shown.chars().count();
    Cell { shown: Cow::Owned(shown), width, mark: true, start, end }
}

/// The form of a character that does not show as itself.
fn named(character: char, spaces: Spaces) -> Option<String> {
    let name = match character {
        ' ' if spaces == Spaces::Marked => return Some("␣".into()),
        ' ' => return None,
        '\t' => "tab",
        '\n' => "newline",
        '\r' => "return",
        '\x1b' => "escape",
        '\x00'..='\x1f' | '\x7f' => return Some(format!("⟨{:02X}⟩", character as u32)),
        '␣' | '⟨' | '⟩' => return Some(format!("⟨U+{:04X}⟩", character as u32)),
        _ if is_hidden(character) || character.width().unwrap_or(0) == 0 => {
            return Some(format!("⟨U+{:04X}⟩", character as u32));
        }
        _ => return None,
    };
    Some(format!("⟨{name}⟩"))
}

/// Characters that show as nothing or as something else than they are: white space beyond ASCII,
/// format and direction controls, C1 controls, private use.
fn is_hidden(character: char) -> bool {
    character.is_control()
        || (character != ' ' && character.is_whitespace())
        || matches!(
            character,
            '\u{ad}' | '\u{61c}' | '\u{115f}' | '\u{1160}' | '\u{17b4}' | '\u{17b5}' | '\u{180e}'
                | '\u{200b}'..='\u{200f}'
                | '\u{202a}'..='\u{202e}'
                | '\u{2060}'..='\u{206f}'
                | '\u{3164}'
                | '\u{fe00}'..='\u{fe0f}'
                | '\u{feff}'
                | '\u{ffa0}'
                | '\u{fff9}'..='\u{fffb}'
                | '\u{e000}'..='\u{f8ff}'
                | '\u{e0000}'..='\u{e0fff}'
        )
}

/// Breaks cells into rows of at most `width` columns.
pub fn rows(cells: &[Cell], width: usize) -> Vec<&[Cell]> {
    let mut rows = Vec::new();
    let (mut start, mut used) = (0, 0);
    for (at, cell) in cells.iter().enumerate() {
        if used + cell.width > width && at > start {
            rows.push(&cells[start..at]);
            (start, used) = (at, 0);
        }
        used += cell.width;
    }
    rows.push(&cells[start..]);
    rows
}

/// Breaks cells into `most` rows at most; where there are more, the last one says how many bytes are left
/// out.
pub fn rows_within(cells: &[Cell], columns: usize, most: usize) -> Vec<Vec<Cell>> {
    let all = rows(cells, columns);
    let mut kept: Vec<Vec<Cell>> = all.iter().take(most).map(|row| row.to_vec()).collect();
    let Some(last) = kept.last_mut().filter(|_| all.len() > most) else { return kept };
    let mut left: usize = all[most..].iter().flat_map(|row| row.iter()).map(Cell::bytes).sum();
    let mut said = left_out(left, columns);
    while width(last) + said.width > columns
        && let Some(cell) = last.pop()
    {
        left += cell.bytes();
        said = left_out(left, columns);
    }
    last.push(said);
    kept
}

/// What stands in place of bytes that have no room, in as many words as fit.
fn left_out(bytes: usize, columns: usize) -> Cell {
    let shown = match format!(" ... {bytes} more bytes") {
        shown if shown.len() > columns => "...".into(),
        shown => shown,
    };
    Cell { width: shown.len(), shown: shown.into(), mark: true, start: 0, end: 0 }
}

/// The columns that cells take.
pub fn width(cells: &[Cell]) -> usize {
    cells.iter().map(|cell| cell.width).sum()
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{Spaces, cells, rows, rows_within, width};

    fn shown(bytes: &[u8]) -> String {
        cells(bytes, Spaces::Marked).iter().map(|cell| &*cell.shown).collect()
    }

    #[test]
    fn what_does_not_print_is_named() {
        assert_eq!(shown(b"two words\t\n"), "two␣words⟨tab⟩⟨newline⟩");
        assert_eq!(shown("a\u{a0}b\u{202e}".as_bytes()), "a⟨U+00A0⟩b⟨U+202E⟩");
        assert_eq!(shown(b"\xff\xc3"), "⟨FF⟩⟨C3⟩");
        assert_eq!(shown("⟨␣".as_bytes()), "⟨U+27E8⟩⟨U+2423⟩");
        assert_eq!(shown("\u{301}a\u{301}".as_bytes()), "⟨U+0301⟩a\u{301}");
    }

    #[test]
    fn wide_characters_take_two_columns() {
        let cells = cells("蜂蜜a".as_bytes(), Spaces::Marked);
        assert_eq!(width(&cells), 5);
        assert_eq!(rows(&cells, 4).len(), 2);
        assert_eq!(rows(&cells, 3).len(), 2);
    }

    #[test]
    fn what_has_no_room_is_counted() {
        let shown = |most| -> Vec<String> {
            let rows = rows_within(&cells(&[b'h'; 100], Spaces::Marked), 30, most);
            rows.iter().map(|row| row.iter().map(|cell| &*cell.shown).collect()).collect()
        };
        assert_eq!(shown(1), ["hhhhhhhhhhhh ... 88 more bytes"]);
        assert_eq!(shown(2), ["h".repeat(30), "hhhhhhhhhhhh ... 58 more bytes".into()]);
        assert_eq!(shown(4).concat(), "h".repeat(100));
    }

    proptest! {
        #[test]
        fn different_bytes_never_look_the_same(
            a in proptest::collection::vec(any::<u8>(), 0..6),
            b in proptest::collection::vec(any::<u8>(), 0..6),
        ) {
            prop_assert!(a == b || shown(&a) != shown(&b));
        }

        #[test]
        fn cells_cover_the_bytes(bytes in proptest::collection::vec(any::<u8>(), 0..40)) {
            let mut at = 0;
            for cell in cells(&bytes, Spaces::Marked) {
                prop_assert_eq!(cell.start, at);
                at = cell.end;
            }
            prop_assert_eq!(at, bytes.len());
        }
    }
}
