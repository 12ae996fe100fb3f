//! The search of PATH as `execvp` of glibc does it (observed in glibc 2.36; POSIX XSH exec).
//!
//! `execvp` does not look for files: it calls exec on one path after the other. So a script whose
//! interpreter is missing is passed over as if it were not there.

use crate::dialect::{Reader, UnknownFiles};
use crate::host::Block;
use crate::kernel::Errno;
use crate::kernel::chain::{End, Failure, Hop, HopKind, Started, Way, given};
use crate::source::SourceKind;
use crate::text::Text;

/// What `execvp` of glibc hands files to that the kernel does not know.
const SH: &[u8] = b"/bin/sh";

/// Where `execvp` looks when PATH is not set (glibc 2.36).
pub const DEFAULT: &[u8] = b"/bin:/usr/bin";

/// A path that was tried.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Tried {
    /// The path.
    pub path: Vec<u8>,
    /// The error and what the matter was, or nothing where it was executed.
    pub refused: Option<(Errno, String)>,
}

/// The paths that are tried for a name, in order: an empty entry of PATH is the current folder, and a
/// name with a slash is a path itself. Without a PATH nothing is looked for.
pub fn candidates(name: &[u8], path: Option<&[u8]>) -> Vec<Vec<u8>> {
    if name.is_empty() {
        return Vec::new();
    }
    if name.contains(&b'/') {
        return vec![name.to_vec()];
    }
    let entries = path.into_iter().flat_map(|path| path.split(|&byte| byte == b':'));
    let candidate = |entry: &[u8]| match entry {
        b"" => name.to_vec(),
        entry => [entry, b"/", name].concat(),
    };
    entries.map(candidate).collect()
}

/// Whether `execvp` goes on with the next path after an error.
pub fn goes_on(errno: Errno) -> bool {
    matches!(errno, Errno::EACCES | Errno::ENOENT | Errno::ENOTDIR)
}

impl Way<'_> {
    /// A search of PATH, as `execvp` does it. Of what it tried and gave up, nothing is left but a row.
    pub(super) fn searched(&mut self, name: &[u8], with_sh: bool) -> Result<Started, Failure> {
        let (before, argv) = (self.hops.len(), self.argv.clone());
        let mut tried = Vec::new();
        let mut worst: Option<Failure> = None;
        let mut denied = false;
        for path in candidates(name, Some(self.search.as_deref().unwrap_or(DEFAULT))) {
            let outcome = match self.kernel(path.clone()) {
                Err(failure) if with_sh && failure.errno == Errno::ENOEXEC => {
                    self.give_up(before, &argv);
                    self.through_sh(path.clone())
                }
                outcome => outcome,
            };
            let failure = match outcome {
                Ok(started) => {
                    tried.push(Tried { path, refused: None });
                    self.note_search(before, name, tried, argv);
                    return Ok(started);
                }
                Err(failure) => failure,
            };
            self.give_up(before, &argv);
            tried.push(Tried { path, refused: Some((failure.errno, failure.why.clone())) });
            denied |= failure.errno == Errno::EACCES;
            let goes_on = goes_on(failure.errno);
            // What is said in the end is about a file that is there, if one is.
            if failure.errno != Errno::ENOENT || failure.place.is_some() || worst.is_none() {
                worst = Some(failure);
            }
            if !goes_on {
                break;
            }
        }
        let last = tried.last().and_then(|one: &Tried| one.refused.as_ref());
        let errno = match last {
            Some(_) if denied => Errno::EACCES,
            Some((errno, _)) => *errno,
            None => Errno::ENOENT,
        };
        let shown = String::from_utf8_lossy(name).into_owned();
        let failure = match (worst, tried.len()) {
            (Some(failure), 1) => failure,
            (Some(failure), _) if failure.errno == errno && failure.errno != Errno::ENOENT => {
                failure
            }
            _ => {
                let why = match name {
                    [] => "there is no name".to_owned(),
                    _ => format!("no folder of PATH has a {shown} that can be executed"),
                };
                Failure { errno, path: name.to_vec(), why, place: None }
            }
        };
        self.note_search(before, name, tried, argv);
        Err(failure)
    }

    /// What a shell does with a name: it takes the first file on PATH that may be executed (POSIX XCU
    /// 2.9.1.4).
    pub(super) fn by_shell(&mut self, name: &[u8], unknown: UnknownFiles) -> Result<Started, End> {
        let argv = self.argv.clone();
        let mut tried = Vec::new();
        let mut found = None;
        for path in candidates(name, self.search.as_deref()) {
            let refused =
                self.program(&path).err().map(|refused| (refused.errno, refused.why.into()));
            let is_found = refused.is_none();
            tried.push(Tried { path: path.clone(), refused });
            if is_found {
                found = Some(path);
                break;
            }
        }
        let denied = tried
            .iter()
            .find_map(|one| one.refused.clone().filter(|(errno, _)| *errno == Errno::EACCES));
        self.note_search(0, name, tried, argv.clone());
        let Some(path) = found else {
            let (errno, why) =
                denied.unwrap_or((Errno::ENOENT, "the shell finds no program of this name".into()));
            return Err(End::Fails(Failure { errno, path: name.to_vec(), why, place: None }));
        };
        let before = self.hops.len();
        match self.kernel(path.clone()) {
            Err(failure) if failure.errno == Errno::ENOEXEC => {
                self.give_up(before, &argv);
                let head = match self.program(&path) {
                    Ok(Block::Read(head)) => head,
                    _ => Vec::new(),
                };
                match unknown.reader_of(&head) {
                    Some(Reader::Itself) => Err(End::ReadByShell { path }),
                    Some(Reader::Sh) => self.through_sh(path).map_err(End::Fails),
                    None => Err(End::Fails(failure)),
                }
            }
            outcome => outcome.map_err(End::Fails),
        }
    }

    fn give_up(&mut self, hops: usize, argv: &[Text]) {
        self.hops.truncate(hops);
        self.argv = argv.to_vec();
    }

    /// Puts the search before what it found.
    fn note_search(&mut self, at: usize, name: &[u8], tried: Vec<Tried>, argv: Vec<Text>) {
        if !name.contains(&b'/') {
            self.hops
                .insert(at, Hop { path: name.to_vec(), kind: HopKind::Search { tried }, argv });
        }
    }

    fn through_sh(&mut self, path: Vec<u8>) -> Result<Started, Failure> {
        let source = self.sources.of_path(|_| SourceKind::Shell, SH, SH);
        let path_source = self.sources.of_path(|_| SourceKind::Path, &path, &path);
        let mut made = vec![given(SH, source), given(&path, path_source)];
        made.extend(self.argv.drain(..).skip(1));
        self.argv = made;
        self.hops.push(Hop { path, kind: HopKind::Unknown, argv: self.argv.clone() });
        self.kernel(SH.to_vec())
    }
}
