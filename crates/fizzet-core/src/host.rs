//! What the core asks of the outside world.
//!
//! The core never touches files, users or processes itself; a host gives it these traits. Tests give
//! it an in-memory host.

use std::rc::Rc;

use crate::kernel::Errno;

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

    /// What `test` can ask about a path; `None` if nothing has it. A link is followed if `follow`.
    fn status(&self, path: &[u8], follow: bool) -> Option<Status>;

    /// The bytes of a file, up to `limit` and one more; `None` if it cannot be read.
    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>>;

    /// The path without links that leads to the same folder; `None` where files are pretended, which have
    /// none, and where it leads nowhere.
    fn physical(&self, _path: &[u8]) -> Option<Vec<u8>> {
        None
    }

    /// The path of the folder that the trace runs in: `named` itself if that is an absolute path that
    /// leads there, and else one without links. `None` where files are pretended.
    fn here(&self, _named: &[u8]) -> Option<Vec<u8>> {
        None
    }
}

/// What the system says about a file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Status {
    /// What it is.
    pub kind: FileKind,
    /// Its size in bytes.
    pub size: u64,
    /// The permission bits, with set-user-ID, set-group-ID and the sticky bit.
    pub mode: u32,
    /// Whether this process may read, write and execute it.
    pub access: [bool; 3],
    /// When it was modified: seconds and nanoseconds.
    pub modified: (i64, i64),
    /// The user and the group that own it.
    pub owner: (u32, u32),
    /// Device and number of the file: two paths with the same are the same file.
    pub identity: (u64, u64),
}

/// Kinds of file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FileKind {
    /// A regular file.
    Regular,
    /// A folder.
    Folder,
    /// A symbolic link, where it was not followed.
    Link,
    /// A named pipe.
    Pipe,
    /// A socket.
    Socket,
    /// A block device.
    Block,
    /// A character device.
    Character,
}

/// Files as exec sees them.
pub trait Programs {
    /// Opens a file that is to be executed, and answers its first [`BLOCK`] bytes.
    ///
    /// # Errors
    /// What the kernel says when it does not execute a file of this path.
    fn program(&self, path: &[u8]) -> Result<Block, Refused>;

    /// Whether a path leads to a folder.
    fn leads_to_folder(&self, path: &[u8]) -> bool;

    /// The machine that programs are for (`e_machine` of ELF), if it is known.
    fn machine(&self) -> Option<u16> {
        None
    }
}

/// Devices from which more can be read always.
pub const ENDLESS: [&str; 3] = ["/dev/random", "/dev/urandom", "/dev/zero"];

/// How many bytes of a file are looked at.
pub const BLOCK: usize = 4096;

/// The start of a file that may be executed.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Block {
    /// Its bytes.
    Read(Vec<u8>),
    /// It may be executed but not read.
    Hidden,
}

/// Why a file is not executed, before anything in it is looked at.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Refused {
    /// The error.
    pub errno: Errno,
    /// What the matter is, in plain words.
    pub why: &'static str,
}

/// The machine's users.
pub trait Users {
    /// The home directory of a user.
    fn home(&self, user: &[u8]) -> Option<Vec<u8>>;
}

/// What is known of programs that are not run.
pub trait Commands {
    /// The output and the status of a program that receives this vector.
    fn answer(&self, _argv: &[&[u8]]) -> Answer {
        Answer::default()
    }

    /// Whether programs may be run.
    fn may_run(&self) -> bool {
        false
    }

    /// The start of a file that may be executed, or why it may not; `None` where files are pretended.
    fn executable(&self, _path: &[u8]) -> Option<Result<Block, Refused>> {
        None
    }

    /// The machine that programs are for (`e_machine` of ELF), if it is known.
    fn machine(&self) -> Option<u16> {
        None
    }

    /// The process that is the shell; `None` where there is none.
    fn process(&self) -> Option<Process> {
        None
    }

    /// The name of the machine, if it is known.
    fn machine_name(&self) -> Option<Vec<u8>> {
        None
    }

    /// Runs a program; `None` where nothing may be run.
    fn run(&self, _: &Run<'_>) -> Option<Ran> {
        None
    }

    /// Sets the mask for the permissions of files that are made from now on, where anything may be run.
    fn set_mask(&self, _mask: u32) {}

    /// Opens a file for writing; `None` where nothing may be written. The error says why it cannot be.
    fn create(&self, _path: &[u8], _append: bool) -> Option<Result<Rc<dyn Sink>, String>> {
        None
    }
}

/// What the system says of a process.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Process {
    /// What only the process has that programs are started from; `None` where nothing may be run.
    pub numbers: Option<ProcessNumbers>,
    /// The number of its user.
    pub user: u32,
    /// The number of the user whose rights it has.
    pub effective_user: u32,
    /// The number of its group.
    pub group: u32,
    /// The number of the group whose rights it has.
    pub effective_group: u32,
    /// The mask for the permissions of new files.
    pub mask: u32,
}

/// The numbers of a process.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct ProcessNumbers {
    /// Its own.
    pub own: u32,
    /// That of the process that started it.
    pub parent: u32,
}

/// A program that is to be run.
#[derive(Clone, Debug)]
pub struct Run<'a> {
    /// Its file, from the folder that it begins in.
    pub path: &'a [u8],
    /// What it receives.
    pub argv: &'a [&'a [u8]],
    /// Its environment.
    pub environment: Vec<(&'a [u8], &'a [u8])>,
    /// The folder that it begins in, from the host's.
    pub folder: &'a [u8],
    /// What it reads; `None` for the standard input of the trace.
    pub input: Option<&'a [u8]>,
    /// What it can read from other descriptors, by their numbers.
    pub open: Vec<(u32, &'a [u8])>,
    /// Where its messages go.
    pub messages: Messages,
    /// The most bytes that it may print.
    pub limit: usize,
}

/// Where the messages of a program go.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Messages {
    /// Where its output goes.
    WithOutput,
    /// To whoever runs the trace.
    Shown,
    /// They are kept.
    Kept,
}

/// What came of running a program.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Ran {
    /// It ended.
    Ended {
        /// What it printed.
        output: Vec<u8>,
        /// Its messages.
        messages: Vec<u8>,
        /// Its exit status, or the number of the signal that ended it.
        status: u8,
        /// Whether a signal ended it.
        killed: bool,
        /// How many of the last bytes of its input it has left to others.
        unread: usize,
        /// The same for what it was given to read from other descriptors, in that order.
        open_unread: Vec<usize>,
    },
    /// The system did not start it: why, and what a shell makes of that.
    Refused {
        /// In the system's words.
        why: String,
        /// The status.
        status: u8,
    },
    /// It printed more than the limit, and was stopped.
    Endless {
        /// What it printed until then.
        output: Vec<u8>,
    },
}

/// A file that is being written.
pub trait Sink {
    /// Writes bytes; false if the system does not take them.
    fn write(&self, bytes: &[u8]) -> bool;
}

/// What a program would do, as far as it is known.
#[derive(Clone, PartialEq, Eq, Default, Debug)]
pub struct Answer {
    /// What it prints.
    pub output: Option<Vec<u8>>,
    /// Its exit status.
    pub status: Option<u8>,
}

/// The outside world of one trace.
pub trait Host: Files + Users + Commands {}

impl<T: Files + Users + Commands> Host for T {}

/// A host as exec sees it.
pub struct Executables<'a>(pub &'a dyn Host);

impl Programs for Executables<'_> {
    fn program(&self, path: &[u8]) -> Result<Block, Refused> {
        let none = || Refused { errno: Errno::ENOENT, why: "there is no such file" };
        match self.0.executable(path) {
            Some(outcome) => outcome,
            None if self.0.exists(path) => Ok(Block::Hidden),
            None => Err(none()),
        }
    }

    fn leads_to_folder(&self, path: &[u8]) -> bool {
        self.0.is_folder(path)
    }

    fn machine(&self) -> Option<u16> {
        self.0.machine()
    }
}

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

    fn status(&self, _: &[u8], _: bool) -> Option<Status> {
        None
    }

    fn read(&self, _: &[u8], _: usize) -> Option<Vec<u8>> {
        None
    }
}

impl Users for Nowhere {
    fn home(&self, _: &[u8]) -> Option<Vec<u8>> {
        None
    }
}

impl Commands for Nowhere {}

/// A host as seen from another of its folders: the one that `cd` has gone to.
pub struct Inside {
    /// The host.
    pub host: Rc<dyn Host>,
    /// The folder that relative paths start from.
    pub folder: Rc<[u8]>,
}

impl Inside {
    fn place(&self, path: &[u8]) -> Vec<u8> {
        join(&self.folder, path)
    }
}

/// A path as reached from a folder.
pub fn join(folder: &[u8], path: &[u8]) -> Vec<u8> {
    if folder.is_empty() || path.is_empty() || path.first() == Some(&b'/') {
        return path.to_vec();
    }
    let mut joined = folder.to_vec();
    if joined.last() != Some(&b'/') {
        joined.push(b'/');
    }
    joined.extend_from_slice(path);
    joined
}

/// A path without `.`, `..` and doubled slashes, as the logical `cd` has it. The `..` that a relative path
/// begins with stay.
pub(crate) fn normal(path: &[u8]) -> Vec<u8> {
    let absolute = path.first() == Some(&b'/');
    let mut parts: Vec<&[u8]> = Vec::new();
    for part in path.split(|&byte| byte == b'/') {
        match part {
            b"" | b"." => {}
            b".." if parts.last().is_some_and(|last| *last != b"..") => {
                parts.pop();
            }
            b".." if absolute => {}
            _ => parts.push(part),
        }
    }
    let joined = parts.join(&b'/');
    if absolute { [&b"/"[..], &joined].concat() } else { joined }
}

impl Files for Inside {
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        self.host.list(&self.place(folder), each)
    }

    fn exists(&self, path: &[u8]) -> bool {
        self.host.exists(&self.place(path))
    }

    fn physical(&self, path: &[u8]) -> Option<Vec<u8>> {
        self.host.physical(&self.place(path))
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        self.host.is_folder(&self.place(path))
    }

    fn status(&self, path: &[u8], follow: bool) -> Option<Status> {
        self.host.status(&self.place(path), follow)
    }

    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>> {
        self.host.read(&self.place(path), limit)
    }
}

impl Users for Inside {
    fn home(&self, user: &[u8]) -> Option<Vec<u8>> {
        self.host.home(user)
    }
}

impl Commands for Inside {
    fn answer(&self, argv: &[&[u8]]) -> Answer {
        self.host.answer(argv)
    }

    fn may_run(&self) -> bool {
        self.host.may_run()
    }

    fn executable(&self, path: &[u8]) -> Option<Result<Block, Refused>> {
        self.host.executable(&self.place(path))
    }

    fn machine(&self) -> Option<u16> {
        self.host.machine()
    }

    fn set_mask(&self, mask: u32) {
        self.host.set_mask(mask);
    }

    fn run(&self, run: &Run<'_>) -> Option<Ran> {
        let folder = self.place(run.folder);
        self.host.run(&Run { folder: &folder, ..run.clone() })
    }

    fn create(&self, path: &[u8], append: bool) -> Option<Result<Rc<dyn Sink>, String>> {
        self.host.create(&self.place(path), append)
    }
}

/// What is asked of the files that a command line names.
pub trait Named {
    /// Whether there is such a file or folder.
    fn is_there(&self, path: &[u8]) -> bool;
    /// The content of a file of arguments.
    fn arguments(&self, path: &[u8]) -> Option<Vec<u8>>;
    /// The folder in which the launch happens.
    fn folder(&self) -> Vec<u8>;
    /// The path of a program with its links followed, if it is there.
    fn resolved(&self, program: &[u8]) -> Option<Vec<u8>>;
}
