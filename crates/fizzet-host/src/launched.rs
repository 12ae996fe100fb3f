//! The files that a command line of an interpreter names.

use std::ffi::OsStr;
use std::fs;
use std::os::unix::ffi::{OsStrExt, OsStringExt};

use fizzet_core::host::Named;

use crate::{Machine, files};

/// The most that is read of a file of arguments.
const MOST: usize = 16 << 20;

impl Named for Machine {
    fn is_there(&self, path: &[u8]) -> bool {
        !path.is_empty() && fs::metadata(files::place(&self.folder, path)).is_ok()
    }

    fn arguments(&self, path: &[u8]) -> Option<Vec<u8>> {
        files::read(&files::place(&self.folder, path), MOST).ok()
    }

    fn folder(&self) -> Vec<u8> {
        let whole = fs::canonicalize(&self.folder).unwrap_or_else(|_| self.folder.clone());
        whole.into_os_string().into_vec()
    }

    fn resolved(&self, program: &[u8]) -> Option<Vec<u8>> {
        let found = match program.contains(&b'/') {
            true => Some(files::place(&self.folder, program)),
            false => {
                let folders = std::env::var_os("PATH").unwrap_or_default();
                let places =
                    std::env::split_paths(&folders).map(|one| one.join(OsStr::from_bytes(program)));
                places.into_iter().find(|place| place.is_file())
            }
        };
        let path = fs::canonicalize(found?).ok()?;
        Some(path.into_os_string().into_vec())
    }
}
