//! What the core asks of the outside world.
//!
//! The core never touches files, users or processes itself; a host gives it these traits. Tests give
//! it an in-memory host.

/// The file system, as pathname expansion and redirections see it.
///
/// Paths are bytes; a relative path is relative to the folder that the trace runs in.
pub trait Files {
    /// Calls `each` with every name in a folder except `.` and `..`, in any order; false if the
    /// folder cannot be read.
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool;

    /// Whether something has this path; a link that leads nowhere counts.
    fn exists(&self, path: &[u8]) -> bool;

    /// Whether the path leads to a folder.
    fn is_folder(&self, path: &[u8]) -> bool;
}

/// The machine's users.
pub trait Users {
    /// The home directory of a user.
    fn home(&self, user: &[u8]) -> Option<Vec<u8>>;
}

/// The outside world of one trace.
pub trait Host: Files + Users {}

impl<T: Files + Users> Host for T {}

/// A host with no files and no users.
#[derive(Clone, Copy, Default, Debug)]
pub struct Nowhere;

impl Files for Nowhere {
    fn list(&self, _: &[u8], _: &mut dyn FnMut(&[u8])) -> bool {
        false
    }

    fn exists(&self, _: &[u8]) -> bool {
        false
    }

    fn is_folder(&self, _: &[u8]) -> bool {
        false
    }
}

impl Users for Nowhere {
    fn home(&self, _: &[u8]) -> Option<Vec<u8>> {
        None
    }
}
