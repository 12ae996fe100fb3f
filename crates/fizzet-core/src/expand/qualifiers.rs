//! Glob qualifiers: the letters in parentheses behind a pathname pattern of zsh (observed in 5.9).

use crate::host::{FileKind, Files, Status};
use crate::text::Text;

/// What the qualifiers of one pattern ask for.
#[derive(Clone, Default, Debug)]
pub(super) struct Qualifiers {
    /// `N`: no match makes no argument.
    pub(super) null: bool,
    /// `D`: hidden files match too.
    pub(super) hidden: bool,
    /// Tests that must hold, each with whether it is turned round.
    tests: Vec<(u8, bool)>,
    /// `[first,last]`
    slice: Option<(i64, i64)>,
    /// `On`: the last one first.
    reversed: bool,
}

impl Qualifiers {
    /// The qualifiers at the end of a field, and the field without them. `Err` holds letters that are
    /// no qualifiers.
    pub(super) fn take(field: &Text) -> Result<Option<(Text, Qualifiers)>, Vec<u8>> {
        let (bytes, quoted) = (field.bytes(), field.quoting());
        let active = |at: usize, byte: u8| bytes.get(at) == Some(&byte) && !quoted[at];
        if bytes.is_empty() || !active(bytes.len() - 1, b')') {
            return Ok(None);
        }
        let Some(open) = (0..bytes.len()).rev().find(|&at| active(at, b'(')) else {
            return Ok(None);
        };
        let inside = &bytes[open + 1..bytes.len() - 1];
        if inside.iter().any(|byte| matches!(byte, b'|' | b'(' | b'~')) {
            return Ok(None);
        }
        match Qualifiers::read(inside) {
            Some(qualifiers) => Ok(Some((field.slice(0, open), qualifiers))),
            None => Err(inside.to_vec()),
        }
    }

    fn read(text: &[u8]) -> Option<Qualifiers> {
        let mut qualifiers = Qualifiers::default();
        let (mut at, mut negated) = (0, false);
        while let Some(&letter) = text.get(at) {
            at += 1;
            match letter {
                b'^' => negated = !negated,
                b'N' => qualifiers.null = !negated,
                b'D' => qualifiers.hidden = !negated,
                b'.' | b'/' | b'@' | b'=' | b'p' | b'*' | b'r' | b'w' | b'x' | b'F' => {
                    qualifiers.tests.push((letter, negated));
                }
                b'n' | b'-' | b'M' | b'T' => {}
                b'o' | b'O' => {
                    (text.get(at) == Some(&b'n')).then_some(())?;
                    qualifiers.reversed = letter == b'O';
                    at += 1;
                }
                b'[' => {
                    let length = text[at..].iter().position(|&byte| byte == b']')?;
                    let inside = std::str::from_utf8(&text[at..at + length]).ok()?;
                    let (first, last) = inside.split_once(',').unwrap_or((inside, inside));
                    qualifiers.slice = Some((first.parse().ok()?, last.parse().ok()?));
                    at += length + 1;
                }
                _ => return None,
            }
        }
        Some(qualifiers)
    }

    /// Whether the paths come last one first.
    pub(super) fn reversed(&self) -> bool {
        self.reversed
    }

    /// The paths that stay, in the order that is asked for.
    pub(super) fn chosen(&self, mut paths: Vec<Vec<u8>>, files: &dyn Files) -> Vec<Vec<u8>> {
        paths.retain(|path| {
            let status = files.status(path, false);
            self.tests.iter().all(|(test, negated)| {
                status.is_some_and(|status| holds(*test, &status) != *negated)
            })
        });
        if self.reversed {
            paths.sort_unstable();
            paths.reverse();
        }
        let Some((first, last)) = self.slice else { return paths };
        paths.sort_unstable();
        let count = paths.len() as i64;
        let place = |at: i64| if at < 0 { count + at } else { at - 1 };
        let (first, last) = (place(first).max(0), place(last).min(count - 1));
        match first <= last {
            true => paths[first as usize..=last as usize].to_vec(),
            false => Vec::new(),
        }
    }
}

fn holds(test: u8, status: &Status) -> bool {
    match test {
        b'.' => status.kind == FileKind::Regular,
        b'/' => status.kind == FileKind::Folder,
        b'@' => status.kind == FileKind::Link,
        b'=' => status.kind == FileKind::Socket,
        b'p' => status.kind == FileKind::Pipe,
        b'*' => status.kind == FileKind::Regular && status.mode & 0o111 != 0,
        b'r' => status.mode & 0o400 != 0,
        b'w' => status.mode & 0o200 != 0,
        b'x' => status.mode & 0o100 != 0,
        _ => status.kind == FileKind::Folder && status.size > 0,
    }
}
