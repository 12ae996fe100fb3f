//! What pathname expansion asks of the files: of a name that a pattern matches nothing more is asked, unless a
//! qualifier or an option wants to know.

use std::cell::Cell;
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::{Commands, FileKind, Files, Status, Users};
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::walk;

/// A folder with three jars, which counts how often it is asked about one of them.
#[derive(Default)]
struct Shelf(Rc<Cell<usize>>);

const JARS: [&str; 3] = ["jar10", "jar9", "lids"];

impl Files for Shelf {
    fn list(&self, _: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        JARS.iter().for_each(|name| each(name.as_bytes()));
        true
    }

    fn exists(&self, path: &[u8]) -> bool {
        self.status(path, false).is_some()
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        matches!(path, b"" | b".")
    }

    fn status(&self, path: &[u8], _: bool) -> Option<Status> {
        self.0.set(self.0.get() + 1);
        let known = JARS.iter().any(|name| name.as_bytes() == path);
        let kind = if path == b"lids" { FileKind::Folder } else { FileKind::Regular };
        known.then_some(Status {
            kind,
            size: 0,
            mode: 0o644,
            access: [true; 3],
            modified: (0, 0),
            owner: (0, 0),
            identity: (0, 0),
        })
    }

    fn read(&self, _: &[u8], _: usize) -> Option<Vec<u8>> {
        None
    }
}

impl Users for Shelf {
    fn home(&self, _: &[u8]) -> Option<Vec<u8>> {
        None
    }
}

impl Commands for Shelf {}

/// The arguments behind `set --` in a line, and how often the files were asked about one of them.
fn expanded(shell: Shell, line: &str) -> (String, usize) {
    let state = State::new(Dialect::of(shell), SourceKind::Line, line.as_bytes());
    let shelf = Shelf::default();
    let asked = shelf.0.clone();
    let trace = walk::line(state, Rc::new(shelf));
    let last = trace.commands.last().expect("a command");
    let words = last.argv[2..].iter().map(|text| text.bytes());
    (String::from_utf8(words.collect::<Vec<_>>().join(&b' ')).unwrap(), asked.get())
}

#[test]
fn a_pattern_asks_about_no_file() {
    for shell in Shell::ALL {
        assert_eq!(expanded(shell, "set -- *"), ("jar10 jar9 lids".into(), 0), "{shell}");
    }
}

#[test]
fn what_wants_to_know_of_the_files_asks_once_about_each() {
    let zsh = |line| expanded(Shell::Zsh, line);
    assert_eq!(zsh("set -- *(M)"), ("jar10 jar9 lids/".into(), 3));
    assert_eq!(zsh("set -- *(/)"), ("lids".into(), 3));
    assert_eq!(zsh("set -- *(n)"), ("jar9 jar10 lids".into(), 0));
    assert_eq!(zsh("setopt markdirs; set -- l*"), ("lids/".into(), 1));
    assert_eq!(zsh("setopt numericglobsort; set -- *"), ("jar9 jar10 lids".into(), 0));
}
