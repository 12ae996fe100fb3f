//! Real files.

use std::ffi::OsStr;
use std::io::{self, Read};
use std::os::unix::ffi::OsStrExt;
use std::os::unix::fs::{FileTypeExt, MetadataExt};
use std::path::{Path, PathBuf};

use fizzet_core::host::{ENDLESS, FileKind, Status};
use rustix::fs::{Access, access};

/// A path as the traced shell would reach it: relative ones start from `folder`.
pub(crate) fn place(folder: &Path, path: &[u8]) -> PathBuf {
    folder.join(OsStr::from_bytes(path))
}

/// Calls `each` with the names in a folder; false if it cannot be read.
pub(crate) fn list(folder: &Path, each: &mut dyn FnMut(&[u8])) -> bool {
    let Ok(entries) = std::fs::read_dir(folder) else { return false };
    for entry in entries.flatten() {
        each(entry.file_name().as_bytes());
    }
    true
}

/// Whether an absolute path leads to a folder.
pub(crate) fn leads_to(named: &[u8], folder: &Path) -> bool {
    let identity = |path: &Path| path.metadata().map(|found| (found.dev(), found.ino())).ok();
    named.starts_with(b"/")
        && identity(Path::new(OsStr::from_bytes(named)))
            .is_some_and(|one| identity(folder) == Some(one))
}

/// The path of a folder without links, `.` and `..`.
pub(crate) fn canonical(folder: &Path) -> Option<Vec<u8>> {
    Some(folder.canonicalize().ok()?.into_os_string().into_encoded_bytes())
}

/// What the system says about a file.
pub(crate) fn status(path: &Path, follow: bool) -> Option<Status> {
    let found = if follow { path.metadata() } else { path.symlink_metadata() }.ok()?;
    let kind = match found.file_type() {
        kind if kind.is_dir() => FileKind::Folder,
        kind if kind.is_symlink() => FileKind::Link,
        kind if kind.is_fifo() => FileKind::Pipe,
        kind if kind.is_socket() => FileKind::Socket,
        kind if kind.is_block_device() => FileKind::Block,
        kind if kind.is_char_device() => FileKind::Character,
        _ => FileKind::Regular,
    };
    let may = |what| access(path, what).is_ok();
    Some(Status {
        kind,
        size: found.size(),
        mode: found.mode() & 0o7777,
        access: [may(Access::READ_OK), may(Access::WRITE_OK), may(Access::EXEC_OK)],
        modified: (found.mtime(), found.mtime_nsec()),
        owner: (found.uid(), found.gid()),
        identity: (found.dev(), found.ino()),
    })
}

/// The first bytes of a regular file, of the empty device or of one that never ends; others could keep the trace
/// waiting.
pub(crate) fn read(path: &Path, limit: usize) -> io::Result<Vec<u8>> {
    let mut bytes = Vec::new();
    if path != Path::new("/dev/null") {
        let is_endless = path.to_str().is_some_and(|path| ENDLESS.contains(&path));
        if !is_endless && !path.metadata()?.is_file() {
            return Err(io::ErrorKind::Unsupported.into());
        }
        std::fs::File::open(path)?.take(limit as u64 + 1).read_to_end(&mut bytes)?;
    }
    Ok(bytes)
}

/// A script. It may come from a pipe, but not from a folder.
///
/// # Errors
/// What the system says, or that it is a folder.
pub fn read_script(path: &Path) -> io::Result<Vec<u8>> {
    if path.metadata()?.is_dir() {
        return Err(io::ErrorKind::IsADirectory.into());
    }
    std::fs::read(path)
}

/// Makes sure that a folder is there and can be read.
///
/// # Errors
/// What the system says when it is not.
pub fn check_folder(folder: &Path) -> io::Result<()> {
    std::fs::read_dir(folder).map(drop)
}

#[cfg(test)]
mod tests {
    use fizzet_core::host::Files;

    use crate::Machine;

    #[test]
    fn names_are_listed_as_bytes_and_dangling_links_exist() {
        let folder = tempfile::tempdir().unwrap();
        std::fs::write(folder.path().join("-jar label"), "").unwrap();
        std::os::unix::fs::symlink("nowhere", folder.path().join("lid")).unwrap();
        let machine = Machine::at(folder.path());
        let mut names = Vec::new();
        assert!(machine.list(b".", &mut |name| names.push(name.to_vec())));
        names.sort();
        assert_eq!(names, [&b"-jar label"[..], b"lid"]);
        assert!(machine.exists(b"lid"));
        assert!(!machine.is_folder(b"lid"));
        assert!(!machine.list(b"lid", &mut |_| {}));
    }
}
