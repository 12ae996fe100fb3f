//! What the rows can say about redirections, assignments before commands and programs.

use crate::stop::Reach;

/// Whether a compound command whose redirection fails is one that fails.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FailedRedirections {
    /// It is.
    Count,
    /// It is where the status of such a command counts: that of a subshell.
    AsCommands,
    /// It is not, even a subshell.
    Never,
}

/// Where the text of a here-document is that still waits at the end of the substitution in which it begins.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OpenDocuments {
    /// Behind the line, as for others.
    Behind,
    /// Nowhere: it is empty.
    Empty,
    /// It is a mistake.
    Refused,
    /// It is a mistake, unless another one waits that begins before the substitution.
    RefusedAlone,
}

/// What becomes of a file that the kernel does not know (ENOEXEC).
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct UnknownFiles {
    /// What reads it as a script; nothing where the error is handed on.
    pub reader: Option<Reader>,
    /// Which files are refused all the same.
    pub refuses: Refuses,
}

/// What a shell makes of the entries of PATH when it puts names of programs behind them: a script is told
/// the outcome.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct PathEntries {
    /// Whether an empty entry stays empty, or is the folder `.`.
    pub empty_stays: bool,
    /// Whether the entry `.` is as an empty one.
    pub dot_is_empty: bool,
    /// Whether a slash at the end of an entry stays, besides the one that stands before the name.
    pub keeps_slash: bool,
    /// Whether other relative entries become absolute when a program is executed.
    pub from_root: bool,
}

impl PathEntries {
    /// As they are written.
    pub const PLAIN: PathEntries =
        PathEntries { empty_stays: true, dot_is_empty: false, keeps_slash: true, from_root: false };

    /// The entry that a search goes by.
    pub(crate) fn entry(self, entry: &[u8]) -> &[u8] {
        match entry {
            [] if self.empty_stays => b"",
            b"." if self.dot_is_empty => b"",
            [] => b".",
            [start @ .., b'/'] if !self.keeps_slash && !start.is_empty() => start,
            entry => entry,
        }
    }
}

/// Where a shell looks for programs without PATH.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WithoutPath {
    /// In the current folder.
    Folder,
    /// In these, written as in PATH.
    Folders(&'static str),
    /// Nowhere.
    Nowhere,
}

/// What reads a file as a script.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reader {
    /// `/bin/sh`, which is executed with the path before the arguments.
    Sh,
    /// The shell itself, in a process of its own: `$0` is the path.
    Itself,
}

/// Which files are not read as scripts.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Refuses {
    /// None.
    Nothing,
    /// Broken programs, and files with a NUL in the first line.
    Binaries,
    /// Files with a NUL in the first line.
    NulInLine,
    /// Those, and files whose `#!` line names nothing.
    NulOrMark,
    /// Broken programs.
    Programs,
}

impl UnknownFiles {
    /// What reads a file that begins so; nothing where it is refused.
    pub fn reader_of(self, head: &[u8]) -> Option<Reader> {
        let head = &head[..head.len().min(256)];
        let line = head.split(|&byte| byte == b'\n').next().unwrap_or_default();
        let has_nul = line.contains(&0);
        let is_program = head.starts_with(b"\x7fELF");
        let refused = match self.refuses {
            Refuses::Nothing => false,
            Refuses::Binaries => has_nul || is_program,
            Refuses::NulInLine => has_nul,
            Refuses::NulOrMark => has_nul || head.starts_with(b"#!"),
            Refuses::Programs => is_program,
        };
        self.reader.filter(|_| !refused)
    }
}

/// What the word of a redirection may become.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RedirectWords {
    /// One text: neither splitting nor pathname expansion takes place.
    Text,
    /// Fields, of which there must be one.
    OneField,
    /// Fields, and each is a file.
    FileEach,
}

/// How far it reaches that `>&` or `<&` has no number of a descriptor behind it; `None`: it is a file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct CopyOfNoNumber {
    /// `>&name`.
    pub standard_output: Option<Reach>,
    /// `>&` before an empty text.
    pub no_name: Option<Reach>,
    /// `2>&name`.
    pub other_output: Option<Reach>,
    /// `<&name`.
    pub input: Reach,
}

/// Which redirections without a command a command substitution reads from itself.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FileSubstitution {
    /// None.
    No,
    /// One that stands alone and reads a file.
    Alone,
    /// The first one, if it reads standard input from anything; the others are passed over.
    First,
    /// The same, whatever descriptor is read.
    FirstOfAny,
}

/// What an assignment to an element of an array before a command does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TemporaryElements {
    /// It lasts as long as the command.
    Kept,
    /// Nothing: neither its index nor its value is looked at.
    Ignored,
    /// It stays behind the command.
    Stay,
}

/// Which assignments are carried out before the redirections of their command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AssignsFirst {
    /// None.
    Never,
    /// Those without a command, and those before special built-in utilities and functions that share the variables
    /// of the shell.
    InShell,
    /// All. The redirections do not see those that count for the command alone.
    Always,
}

/// What of a program is made in a process of its own.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Apart {
    /// Nothing that leaves no change behind.
    Nothing,
    /// Its redirections.
    Redirections,
    /// Its redirections and the assignments before it.
    All,
}

/// Where the redirections of a subshell are expanded.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SubshellsRedirect {
    /// In the shell around it.
    Outside,
    /// Here-documents in the subshell, names of files in the shell around it.
    Documents,
    /// In the subshell.
    Inside,
}

/// When a variable is saved that gets another value for a command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TemporariesSaved {
    /// Before its value is expanded, which could assign to it.
    Early,
    /// Behind that.
    Late,
    /// Behind that; and what the values of later ones assign to it, is saved too.
    Through,
}

/// What becomes of variables that have values for a command, when another assignment before it ends the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FailedTemporaries {
    /// They get back what they had.
    PutBack,
    /// They keep the values if the other variable is read-only.
    StayAtReadOnly,
    /// They keep the values, unless the shell that ends is a child.
    Stay,
}

/// Which variables that have values for a command still have them in the action for EXIT, if the shell ends in
/// that command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeptByExit {
    /// None.
    Nothing,
    /// Those before commands that carry out `exit` or meet mistakes; behind `-c`, outside of subshells, only those before
    /// calls of functions that carry out `exit`, and in functions those before any command that does.
    Calls,
    /// Those before calls of functions, however the shell ends in them.
    FailedCalls,
    /// Those before `command` besides.
    FailedCallsAndCommand,
    /// Those before the outermost command that carries out `exit`, if that stands in no function.
    Outermost,
}

/// The function that is called for a command that is not found.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct NotFoundFunction {
    /// Its name.
    pub name: &'static str,
    /// `$0` is the name of the command in it.
    pub keeps_zero: bool,
    /// `exec` calls it too.
    pub by_exec: bool,
    /// It gets the name only, is no subshell, and neither its status nor `exit` in it counts.
    pub only_asks: bool,
}
