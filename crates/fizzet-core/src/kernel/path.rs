//! The search of PATH as `execvp` of glibc does it (observed in glibc 2.36; POSIX XSH exec).
//!
//! `execvp` does not look for files: it calls exec on one path after the other. So a script whose
//! interpreter is missing is passed over as if it were not there.

use crate::kernel::Errno;

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
/// name with a slash is a path itself.
pub fn candidates(name: &[u8], path: Option<&[u8]>) -> Vec<Vec<u8>> {
    if name.is_empty() {
        return Vec::new();
    }
    if name.contains(&b'/') {
        return vec![name.to_vec()];
    }
    let entries = path.unwrap_or(DEFAULT).split(|&byte| byte == b':');
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
