//! Real files as exec sees them.

use std::io::{self, Read};
use std::os::unix::fs::{FileTypeExt, PermissionsExt};
use std::path::Path;

use fizzet_core::host::{BLOCK, Block, Refused};
use fizzet_core::kernel::Errno;
use rustix::fs::{Access, AtFlags, CWD, StatVfsMountFlags, accessat, statvfs};

/// The start of a file that may be executed, or why it may not. Nothing but its first block is read.
pub(crate) fn program(path: &Path) -> Result<Block, Refused> {
    let found = path.metadata().map_err(|error| absent(path, &error))?;
    let kind = found.file_type();
    if !kind.is_file() {
        let why = match kind {
            kind if kind.is_dir() => "it is a folder",
            kind if kind.is_fifo() => "it is a named pipe",
            kind if kind.is_socket() => "it is a socket",
            _ => "it is a device",
        };
        return Err(Refused { errno: Errno::EACCES, why });
    }
    if accessat(CWD, path, Access::EXEC_OK, AtFlags::EACCESS).is_err() {
        return Err(Refused { errno: Errno::EACCES, why: forbidden(path, &found) });
    }
    let mut bytes = Vec::with_capacity(BLOCK);
    let read = std::fs::File::open(path)
        .and_then(|file| file.take(BLOCK as u64).read_to_end(&mut bytes).map(drop));
    match read {
        Ok(()) => Ok(Block::Read(bytes)),
        Err(error) if error.kind() == io::ErrorKind::PermissionDenied => Ok(Block::Hidden),
        Err(_) => Err(Refused { errno: Errno::EIO, why: "it cannot be read" }),
    }
}

/// Why a file is not found.
fn absent(path: &Path, error: &io::Error) -> Refused {
    let (errno, why) = match rustix::io::Errno::from_io_error(error) {
        Some(rustix::io::Errno::NOENT) => match path.symlink_metadata() {
            Ok(_) => (Errno::ENOENT, "it is a link that leads nowhere"),
            Err(_) => (Errno::ENOENT, "there is no such file"),
        },
        Some(rustix::io::Errno::NOTDIR) => (Errno::ENOTDIR, "a part of its path is no folder"),
        Some(rustix::io::Errno::LOOP) => (Errno::ELOOP, "its links lead round in a loop"),
        Some(rustix::io::Errno::NAMETOOLONG) => {
            (Errno::ENAMETOOLONG, "its name is longer than the system takes")
        }
        Some(rustix::io::Errno::ACCESS) => {
            (Errno::EACCES, "a folder on its path may not be searched")
        }
        _ => (Errno::EIO, "the system cannot look at it"),
    };
    Refused { errno, why }
}

/// Why a file may not be executed.
fn forbidden(path: &Path, found: &std::fs::Metadata) -> &'static str {
    if found.permissions().mode() & 0o111 == 0 {
        return "nobody may execute it: it has no x permission";
    }
    match statvfs(path) {
        Ok(system) if system.f_flag.contains(StatVfsMountFlags::NOEXEC) => {
            "its file system is mounted so that nothing on it is executed (noexec)"
        }
        _ => "you may not execute it",
    }
}

/// The stack limit of this process in bytes.
pub fn stack_limit() -> u64 {
    let limit = rustix::process::getrlimit(rustix::process::Resource::Stack);
    limit.current.unwrap_or(u64::MAX)
}
