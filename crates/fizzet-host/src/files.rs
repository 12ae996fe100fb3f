//! Real files.

use std::ffi::OsStr;
use std::io;
use std::os::unix::ffi::OsStrExt;
use std::path::{Path, PathBuf};

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
