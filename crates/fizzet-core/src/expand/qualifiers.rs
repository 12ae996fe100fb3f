//! Glob qualifiers: the letters in parentheses behind a pathname pattern of zsh (observed in 5.9).

use std::cmp::Ordering;

use crate::expand::flags::by_name;
use crate::host::{FileKind, Files, Status};
use crate::syntax::ast::Modifier;
use crate::text::Text;

/// What the qualifiers of one pattern ask for.
#[derive(Clone, Default, Debug)]
pub(super) struct Qualifiers {
    /// `N`: no match makes no argument.
    pub(super) null: bool,
    /// `D`: hidden files match too.
    pub(super) hidden: bool,
    /// `n`: numbers are sorted by their values.
    pub(super) by_number: Option<bool>,
    /// `M` and `T`: what a file is stands behind its name.
    pub(super) marks: Option<Marks>,
    /// Tests that must hold, each with whether it is turned round; a comma begins another list, and one
    /// list must hold.
    tests: Vec<Vec<(Test, bool)>>,
    /// `[first,last]`
    slice: Option<(i64, i64)>,
    /// `on`, `om`, `oL` and, with true, `On` and its kin, the first one first; names come behind them all.
    order: Vec<(u8, bool)>,
    /// `:t` and its kin, which change the paths.
    modifiers: Vec<Modifier>,
    /// `P:word:`: words that stand before each path.
    before: Vec<Vec<u8>>,
}

/// The modifier behind a colon, and how many bytes it takes.
fn modifier(text: &[u8]) -> Option<(Modifier, usize)> {
    let global = text.starts_with(b"gs");
    if let [b's', ..] | [b'g', b's', ..] = text {
        let start = 1 + usize::from(global);
        let delimiter = *text.get(start)?;
        let mut pieces = text[start + 1..].split(|&byte| byte == delimiter);
        let (from, to) = (pieces.next()?, pieces.next()?);
        let behind = start + 1 + from.len() + 1 + to.len() + usize::from(pieces.next().is_some());
        return Some((Modifier::Replace(from.into(), to.into(), global), behind));
    }
    let letter = *text.first().filter(|letter| b"htreulqQ".contains(letter))?;
    let digits = text[1..].iter().take_while(|byte| byte.is_ascii_digit()).count();
    let count = std::str::from_utf8(&text[1..=digits]).ok()?.parse().unwrap_or(0);
    Some(match count {
        0 => (Modifier::Letter(letter), 1 + digits),
        count if matches!(letter, b'h' | b't') => (Modifier::Parts(letter, count), 1 + digits),
        _ => return None,
    })
}

/// A word between two of the same sign, or in brackets, and how many bytes that takes.
fn delimited(text: &[u8]) -> Option<(&[u8], usize)> {
    let (open, inside) = text.split_first()?;
    let close = match open {
        b'[' => b']',
        b'{' => b'}',
        b'<' => b'>',
        other => *other,
    };
    let length = inside.iter().position(|&byte| byte == close)?;
    Some((&inside[..length], length + 2))
}

/// A path, and what is known of its file.
type Found = (Option<Status>, Vec<u8>);

/// What must hold for a file.
#[derive(Clone, Copy, Debug)]
enum Test {
    /// What a letter stands for.
    Letter(u8),
    /// A size in units of bytes, which it may be below or above too.
    Size {
        /// How many bytes a unit has; a part of one counts as a whole one.
        unit: u64,
        /// How the number of units compares with the one that is asked for.
        compares: Ordering,
        /// The number of units.
        count: u64,
    },
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
        let (inside, named) = match inside.strip_prefix(b"#q") {
            Some(behind) => (behind, true),
            None => (inside, false),
        };
        if inside.starts_with(b"#") && !named {
            return Ok(None);
        }
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
                b'.' | b'/' | b'@' | b'=' | b'p' | b'*' | b'r' | b'w' | b'x' | b'F' | b'A'
                | b'I' | b'E' | b'R' | b'W' | b'X' | b's' | b'S' | b't' => {
                    qualifiers.must((Test::Letter(letter), negated));
                }
                b'L' => {
                    let (test, behind) = size(&text[at..])?;
                    qualifiers.must((test, negated));
                    at += behind;
                }
                b',' => {
                    qualifiers.tests.push(Vec::new());
                    negated = false;
                }
                b'n' => qualifiers.by_number = Some(!negated),
                b'M' if negated => qualifiers.marks = Some(Marks::None),
                b'M' => qualifiers.marks = Some(Marks::Folders),
                b'T' if negated => qualifiers.marks = Some(Marks::None),
                b'T' => qualifiers.marks = Some(Marks::Kinds),
                b'-' => {}
                b'o' | b'O' => {
                    let key =
                        *text.get(at).filter(|key| matches!(key, b'n' | b'm' | b'L' | b'N'))?;
                    qualifiers.order.push((key, letter == b'O'));
                    at += 1;
                }
                b':' => {
                    let (modifier, behind) = modifier(&text[at..])?;
                    qualifiers.modifiers.push(modifier);
                    at += behind;
                }
                b'P' => {
                    let (word, behind) = delimited(&text[at..])?;
                    qualifiers.before.push(word.to_vec());
                    at += behind;
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

    fn must(&mut self, test: (Test, bool)) {
        match self.tests.last_mut() {
            Some(tests) => tests.push(test),
            None => self.tests.push(vec![test]),
        }
    }

    /// The order of two paths: the latest, the smallest or the first name first, the other way round in
    /// capitals.
    fn compared(&self, one: &Found, other: &Found, by_number: bool) -> Ordering {
        for &(key, reversed) in &self.order {
            let modified = |found: &Found| found.0.map(|status| status.modified);
            let size = |found: &Found| found.0.map(|status| status.size);
            let order = match key {
                b'm' => modified(other).cmp(&modified(one)),
                b'L' => size(one).cmp(&size(other)),
                b'n' => by_name(&one.1, &other.1, by_number),
                _ => Ordering::Equal,
            };
            let order = if reversed { order.reverse() } else { order };
            if order.is_ne() {
                return order;
            }
        }
        Ordering::Equal
    }

    /// What is done with each path.
    pub(super) fn modifiers(&self) -> &[Modifier] {
        &self.modifiers
    }

    /// The words that stand before each path.
    pub(super) fn before(&self) -> &[Vec<u8>] {
        &self.before
    }

    /// Whether the names stand in their usual order.
    pub(super) fn has_usual_order(&self) -> bool {
        self.order.is_empty()
    }

    /// The paths that stay, in the order that is asked for.
    pub(super) fn chosen(
        &self,
        mut paths: Vec<Vec<u8>>,
        by_number: bool,
        files: &dyn Files,
    ) -> Vec<Vec<u8>> {
        let all_hold = |tests: &Vec<(Test, bool)>, status: Option<Status>| {
            let holds = |(test, negated): &(Test, bool)| {
                status.is_some_and(|status| holds(*test, &status) != *negated)
            };
            tests.iter().all(holds)
        };
        if !self.tests.is_empty() {
            paths.retain(|path| {
                let status = files.status(path, false);
                self.tests.iter().any(|tests| all_hold(tests, status))
            });
        }
        paths.sort_by(|one, other| by_name(one, other, by_number));
        if !self.order.is_empty() {
            let known = |path: Vec<u8>| (files.status(&path, false), path);
            let mut all: Vec<_> = paths.into_iter().map(known).collect();
            all.sort_by(|one, other| self.compared(one, other, by_number));
            paths = all.into_iter().map(|(_, path)| path).collect();
        }
        let Some((first, last)) = self.slice else { return paths };
        let count = paths.len() as i64;
        let place = |at: i64| if at < 0 { count + at } else { at - 1 };
        let (first, last) = (place(first).max(0), place(last).min(count - 1));
        match first <= last {
            true => paths[first as usize..=last as usize].to_vec(),
            false => Vec::new(),
        }
    }
}

/// What stands behind the names of files.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Marks {
    /// Nothing.
    None,
    /// A slash behind folders.
    Folders,
    /// A sign for each kind of file that is not a plain one.
    Kinds,
}

impl Marks {
    /// A path with its mark.
    pub(super) fn mark(self, path: &mut Vec<u8>, files: &dyn Files) {
        let Some(status) = files.status(path, false) else { return };
        let sign = match status.kind {
            FileKind::Folder => b'/',
            _ if self == Marks::Folders => return,
            FileKind::Link => b'@',
            FileKind::Pipe => b'|',
            FileKind::Socket => b'=',
            FileKind::Block => b'#',
            FileKind::Character => b'%',
            FileKind::Regular if status.mode & 0o111 != 0 => b'*',
            FileKind::Regular => return,
        };
        path.push(sign);
    }
}

/// The size behind an `L`, and how many bytes it takes: `+2`, `k-3`.
fn size(text: &[u8]) -> Option<(Test, usize)> {
    let (unit, at) = match text.first()? {
        b'k' | b'K' => (1 << 10, 1),
        b'm' | b'M' => (1 << 20, 1),
        b'p' | b'P' => (512, 1),
        _ => (1, 0),
    };
    let (compares, at) = match text.get(at)? {
        b'+' => (Ordering::Greater, at + 1),
        b'-' => (Ordering::Less, at + 1),
        _ => (Ordering::Equal, at),
    };
    let digits = text[at..].iter().take_while(|byte| byte.is_ascii_digit()).count();
    let count = std::str::from_utf8(&text[at..at + digits]).ok()?.parse().ok()?;
    Some((Test::Size { unit, compares, count }, at + digits))
}

fn holds(test: Test, status: &Status) -> bool {
    let letter = match test {
        Test::Letter(letter) => letter,
        Test::Size { unit, compares, count } => {
            return status.size.div_ceil(unit).cmp(&count) == compares;
        }
    };
    match letter {
        b'A' => status.mode & 0o040 != 0,
        b'I' => status.mode & 0o020 != 0,
        b'E' => status.mode & 0o010 != 0,
        b'R' => status.mode & 0o004 != 0,
        b'W' => status.mode & 0o002 != 0,
        b'X' => status.mode & 0o001 != 0,
        b's' => status.mode & 0o4000 != 0,
        b'S' => status.mode & 0o2000 != 0,
        b't' => status.mode & 0o1000 != 0,
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

#[cfg(test)]
mod tests {
    use super::Qualifiers;
    use crate::host::{FileKind, Files, Status};

    /// Files by name: the kind, the size, when they were changed.
    struct Shelf(&'static [(&'static str, FileKind, u64, i64)]);

    const SHELF: Shelf = Shelf(&[
        ("batch1.csv", FileKind::Regular, 1500, 30),
        ("batch2.csv", FileKind::Regular, 0, 10),
        ("combs", FileKind::Folder, 4096, 20),
    ]);

    impl Files for Shelf {
        fn status(&self, path: &[u8], _: bool) -> Option<Status> {
            let known = self.0.iter().find(|(name, ..)| name.as_bytes() == path)?;
            let &(_, kind, size, seconds) = known;
            let (access, modified, identity) = ([true; 3], (seconds, 0), (0, 0));
            let owner = (0, 0);
            Some(Status { kind, size, mode: 0o644, access, modified, owner, identity })
        }

        fn list(&self, _: &[u8], _: &mut dyn FnMut(&[u8])) -> bool {
            false
        }

        fn exists(&self, path: &[u8]) -> bool {
            self.status(path, false).is_some()
        }

        fn is_folder(&self, path: &[u8]) -> bool {
            self.status(path, true).is_some_and(|status| status.kind == FileKind::Folder)
        }

        fn read(&self, _: &[u8], _: usize) -> Option<Vec<u8>> {
            None
        }
    }

    fn chosen(letters: &str) -> Option<Vec<String>> {
        let qualifiers = Qualifiers::read(letters.as_bytes())?;
        let all = SHELF.0.iter().rev().map(|(name, ..)| name.as_bytes().to_vec()).collect();
        let found = qualifiers.chosen(all, false, &SHELF);
        Some(found.into_iter().map(|path| String::from_utf8(path).unwrap()).collect())
    }

    #[test]
    fn orders_stand_before_the_names() {
        let [one, two, combs] = ["batch1.csv", "batch2.csv", "combs"];
        let orders: [(&str, &[&str]); 7] = [
            ("", &[one, two, combs]),
            ("om", &[one, combs, two]),
            ("Om", &[two, combs, one]),
            ("OL", &[combs, one, two]),
            ("On", &[combs, two, one]),
            ("om[1]", &[one]),
            ("on[2,-1]", &[two, combs]),
        ];
        for (letters, expected) in orders {
            assert_eq!(chosen(letters).unwrap(), expected, "({letters})");
        }
    }

    #[test]
    fn sizes_are_counted_in_units_that_are_begun() {
        let sizes: [(&str, usize); 6] =
            [("L0", 1), ("L+0", 2), ("L-1500", 1), ("Lk2", 1), ("Lk-2", 1), ("^L0", 2)];
        for (letters, count) in sizes {
            assert_eq!(chosen(letters).unwrap().len(), count, "({letters})");
        }
        assert_eq!(chosen("."), Some(vec!["batch1.csv".into(), "batch2.csv".into()]));
        assert_eq!(chosen("/,L0"), Some(vec!["batch2.csv".into(), "combs".into()]));
    }

    #[test]
    fn what_is_no_qualifier_is_refused() {
        for letters in ["q", "o", "oz", "L", "Lk", "[1", ":z", "L+"] {
            assert_eq!(chosen(letters), None, "({letters})");
        }
    }
}
