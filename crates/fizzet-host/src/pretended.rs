//! A list of files that a person pretends to have.

use std::collections::BTreeSet;

use fizzet_core::host::{FileKind, Status};

/// Files and the folders above them. A name with a slash at its end is a folder itself.
#[derive(Clone, Debug)]
pub(crate) struct Pretended {
    files: BTreeSet<Vec<u8>>,
    folders: BTreeSet<Vec<u8>>,
}

impl Pretended {
    pub(crate) fn new(names: Vec<Vec<u8>>) -> Pretended {
        let mut pretended = Pretended { files: BTreeSet::new(), folders: BTreeSet::new() };
        pretended.folders.insert(Vec::new());
        for name in names {
            let path = plain(&name);
            for (at, _) in path.iter().enumerate().filter(|(_, byte)| **byte == b'/') {
                pretended.folders.insert(path[..at].to_vec());
            }
            match name.ends_with(b"/") {
                true => pretended.folders.insert(path),
                false => pretended.files.insert(path),
            };
        }
        pretended
    }

    /// Calls `each` with the names in a folder; false if there is no such folder.
    pub(crate) fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        let folder = plain(folder);
        if !self.folders.contains(&folder) {
            return false;
        }
        for path in self.files.iter().chain(&self.folders).filter(|path| !path.is_empty()) {
            let cut = path.iter().rposition(|&byte| byte == b'/');
            let (above, name) =
                cut.map_or((&b""[..], &path[..]), |at| (&path[..at], &path[at + 1..]));
            if above == folder {
                each(name);
            }
        }
        true
    }

    /// What a path is.
    pub(crate) fn kind(&self, path: &[u8]) -> Option<FileKind> {
        if path.is_empty() {
            return None;
        }
        let plain = plain(path);
        match () {
            () if self.folders.contains(&plain) => Some(FileKind::Folder),
            () if self.files.contains(&plain) && !path.ends_with(b"/") => Some(FileKind::Regular),
            () => None,
        }
    }

    /// What is pretended of a file: that it can be read and written, and a folder entered.
    pub(crate) fn status(&self, path: &[u8]) -> Option<Status> {
        let kind = self.kind(path)?;
        let folder = kind == FileKind::Folder;
        Some(Status {
            kind,
            size: 1,
            mode: if folder { 0o755 } else { 0o644 },
            access: [true, true, folder],
            modified: (0, 0),
            owner: (0, 0),
            identity: (0, 0),
        })
    }
}

/// A path without `./` before it and slashes behind it.
fn plain(path: &[u8]) -> Vec<u8> {
    let parts = path.split(|&byte| byte == b'/').filter(|part| !part.is_empty() && *part != b".");
    let joined = parts.collect::<Vec<&[u8]>>().join(&b'/');
    match path.first() {
        Some(b'/') => [&b"/"[..], &joined].concat(),
        _ => joined,
    }
}
