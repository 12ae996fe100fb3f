//! The variables that shells keep themselves.

use crate::dialect::Shell;
use crate::state::Table;

/// Where a variable that the shell keeps itself takes its value from.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Own {
    /// It is the same everywhere.
    Text(&'static str),
    /// It is the same array everywhere.
    List(&'static [&'static str]),
    /// The number of the line that is being carried out.
    Line,
    /// The functions that are being called, innermost first.
    Calls,
    /// Where the functions were called and written: nobody knows, but outside of all functions it is empty.
    Traces,
    /// The options of `set -o` that are on.
    Options,
    /// The options of `shopt` that are on.
    Shopts,
    /// The innermost function that is being called.
    Function,
    /// The texts that the functions are from.
    Places,
    /// The lines that the functions were called on.
    CallLines,
    /// How many arguments each of the calls has that are kept.
    ArgumentCounts,
    /// The arguments of these calls, last first.
    Arguments,
    /// `$0`, which an assignment changes.
    Zero,
    /// The status of each command of the latest pipeline.
    Statuses,
    /// The stack of folders: with the current one before the others, or not.
    Folders(FolderList),
    /// `$?`
    Status,
    /// `$#`
    Count,
    /// The text behind `-c`; there is no such variable in a script.
    CommandText,
    /// The path of the script, where one is read.
    ScriptPath,
    /// What the shell calls the command that is being carried out.
    Command,
    /// How many subshells the command is in.
    Depth,
    /// The last argument of the command before.
    LastArgument,
    /// What the system says of the process, if programs may be run.
    Process(Fact),
    /// What an associative array tells of the shell.
    Table(Table),
    /// Nobody can know it but the running shell: it depends on this.
    Machine(&'static str),
    /// The name of the machine.
    MachineName,
}

/// Which folders of the stack a variable tells, and what an assignment changes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FolderList {
    /// The current one and what lies below it; elements below it can be changed.
    Whole,
    /// What lies below the current one, and all of that can be changed.
    Below,
}

/// What a process can be asked for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Fact {
    /// Its number; a subshell has its own.
    Number,
    /// The number of the process that started it.
    Parent,
    /// The number of its user.
    User,
    /// The number of the user whose rights it has.
    EffectiveUser,
    /// The number of its group.
    Group,
    /// The number of the group whose rights it has.
    EffectiveGroup,
}

impl Fact {
    /// What is not known where nothing may be run.
    pub fn what(self) -> &'static str {
        match self {
            Fact::Number => "the process number of the shell",
            Fact::Parent => "the number of the process that started the shell",
            _ => "who runs the shell",
        }
    }
}

/// What an assignment to such a variable does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Assigned {
    /// It becomes a variable like others.
    Plain,
    /// The shell goes on to keep it.
    Kept,
    /// The shell goes on to keep it, and counts from there.
    Moved,
    /// As kept where one value is assigned plainly; any other way to change it is a mistake.
    Held,
    /// The same, and it cannot be unset.
    Fixed,
    /// It is read-only.
    Frozen,
}

/// A variable in one shell.
pub type OwnVariable = (Own, Assigned);

use Assigned::{Fixed, Frozen, Held, Kept, Moved, Plain};

type Row = (&'static str, [Option<OwnVariable>; 7]);

const NO: Option<OwnVariable> = None;

const fn machine(what: &'static str, assigned: Assigned) -> Option<OwnVariable> {
    Some((Own::Machine(what), assigned))
}

const fn fact(what: Fact, assigned: Assigned) -> Option<OwnVariable> {
    Some((Own::Process(what), assigned))
}

const fn text(value: &'static str) -> Option<OwnVariable> {
    Some((Own::Text(value), Plain))
}

const fn own(what: Own, assigned: Assigned) -> Option<OwnVariable> {
    Some((what, assigned))
}

const CHANCE: Option<OwnVariable> = machine("a random number", Kept);
const CLOCK: Option<OwnVariable> = machine("the time", Kept);
const HOST: Option<OwnVariable> = own(Own::MachineName, Plain);
const PROCESS: Option<OwnVariable> = fact(Fact::Number, Kept);
const PARENT: Option<OwnVariable> = fact(Fact::Parent, Plain);
const FROZEN_PARENT: Option<OwnVariable> = fact(Fact::Parent, Frozen);
const TERMINAL: Option<OwnVariable> = machine("the terminal", Plain);
const PATTERN_CHARACTERS: &[&str] =
    &["|", "~", "(", "?", "*", "[", "<", "^", "#", "?(", "*(", "+(", "!(", "\\!(", "@("];
const RESERVED: &[&str] = &[
    "if",
    "export",
    "declare",
    "function",
    "else",
    "float",
    "end",
    "do",
    "typeset",
    "then",
    "integer",
    "{",
    "select",
    "readonly",
    "coproc",
    "}",
    "!",
    "case",
    "[[",
    "repeat",
    "done",
    "for",
    "while",
    "time",
    "esac",
    "until",
    "local",
    "fi",
    "nocorrect",
    "foreach",
    "elif",
];
const SIGNALS: &[&str] = &[
    "EXIT", "HUP", "INT", "QUIT", "ILL", "TRAP", "IOT", "BUS", "FPE", "KILL", "USR1", "SEGV",
    "USR2", "PIPE", "ALRM", "TERM", "STKFLT", "CHLD", "CONT", "STOP", "TSTP", "TTIN", "TTOU",
    "URG", "XCPU", "XFSZ", "VTALRM", "PROF", "WINCH", "POLL", "PWR", "SYS", "ZERR", "DEBUG",
];
const VERSION: &[&str] = &["5", "2", "15", "1", "release", "x86_64-pc-linux-gnu"];

/// Sorted by name; the columns are those of the dialect table. Observed in all six with each name
/// unset, assigned and unset again.
#[rustfmt::skip]
static ROWS: &[Row] = &[
    (".sh.file", [NO, NO, NO, NO, machine("the path of the script", Plain), NO, NO]),
    (".sh.fun", [NO, NO, NO, NO, own(Own::Function, Plain), NO, NO]),
    (".sh.pid", [NO, NO, NO, NO, PROCESS, NO, NO]),
    (".sh.subshell", [NO, NO, NO, NO, own(Own::Depth, Plain), NO, NO]),
    (".sh.version", [NO, NO, NO, NO, text("Version AJM 93u+m/1.0.4 2022-10-22"), NO, NO]),
    ("ARGC", [NO, NO, NO, NO, NO, NO, own(Own::Count, Frozen)]),
    ("BASH", [NO, machine("the path of the shell", Plain), NO, NO, NO, NO, NO]),
    ("BASHOPTS", [NO, own(Own::Shopts, Frozen), NO, NO, NO, NO, NO]),
    ("BASHPID", [NO, PROCESS, NO, NO, NO, PROCESS, NO]),
    ("BASH_ALIASES", [NO, own(Own::Table(Table::Aliases), Kept), NO, NO, NO, NO, NO]),
    ("BASH_ARGC", [NO, own(Own::ArgumentCounts, Fixed), NO, NO, NO, NO, NO]),
    ("BASH_ARGV", [NO, own(Own::Arguments, Fixed), NO, NO, NO, NO, NO]),
    ("BASH_ARGV0", [NO, own(Own::Zero, Kept), NO, NO, NO, NO, NO]),
    ("BASH_CMDS", [NO, own(Own::Table(Table::Hashed), Kept), NO, NO, NO, NO, NO]),
    ("BASH_COMMAND", [NO, own(Own::Command, Kept), NO, NO, NO, NO, NO]),
    ("BASH_EXECUTION_STRING", [NO, own(Own::CommandText, Plain), NO, NO, NO, NO, NO]),
    ("BASH_LINENO", [NO, own(Own::CallLines, Fixed), NO, NO, NO, NO, NO]),
    ("BASH_LOADABLES_PATH", [NO, text("/usr/local/lib/bash:/usr/lib/bash:/opt/local/lib/bash:/usr/pkg/lib/bash:/opt/pkg/lib/bash:."), NO, NO, NO, NO, NO]),
    ("BASH_SOURCE", [NO, own(Own::Places, Fixed), NO, NO, NO, NO, NO]),
    ("BASH_SUBSHELL", [NO, own(Own::Depth, Plain), NO, NO, NO, NO, NO]),
    ("BASH_VERSINFO", [NO, own(Own::List(VERSION), Frozen), NO, NO, NO, NO, NO]),
    ("BASH_VERSION", [NO, text("5.2.15(1)-release"), NO, NO, NO, NO, NO]),
    ("CDPATH", [NO, NO, NO, NO, NO, NO, text("")]),
    ("COLUMNS", [NO, NO, NO, NO, NO, TERMINAL, TERMINAL]),
    ("CPUTYPE", [NO, NO, NO, NO, NO, NO, machine("the machine's kind", Plain)]),
    ("DIRSTACK", [NO, own(Own::Folders(FolderList::Whole), Kept), NO, NO, NO, NO, NO]),
    ("EGID", [NO, NO, NO, NO, NO, NO, fact(Fact::EffectiveGroup, Plain)]),
    ("EPOCHREALTIME", [NO, CLOCK, NO, CLOCK, NO, CLOCK, NO]),
    ("EPOCHSECONDS", [NO, CLOCK, NO, CLOCK, NO, NO, NO]),
    ("EUID", [NO, fact(Fact::EffectiveUser, Frozen), NO, NO, NO, NO, fact(Fact::EffectiveUser, Plain)]),
    ("FCEDIT", [NO, NO, NO, NO, text("ed"), NO, NO]),
    ("FIGNORE", [NO, NO, NO, NO, NO, NO, text("")]),
    ("FPATH", [NO, NO, NO, NO, NO, NO, machine("how the shell was built", Plain)]),
    ("FUNCNAME", [NO, own(Own::Calls, Held), NO, own(Own::Function, Plain), NO, NO, NO]),
    ("FUNCNEST", [NO, NO, NO, NO, NO, NO, text("500")]),
    ("GID", [NO, NO, NO, NO, NO, NO, fact(Fact::Group, Plain)]),
    ("GROUPS", [NO, machine("who runs the shell", Held), NO, NO, NO, NO, NO]),
    ("HISTCHARS", [NO, NO, NO, NO, NO, NO, text("!^#")]),
    ("HISTCMD", [NO, text("1"), NO, NO, text("0"), NO, text("0")]),
    ("HISTSIZE", [NO, NO, NO, NO, NO, text("2047"), text("30")]),
    ("HOST", [NO, NO, NO, NO, NO, NO, HOST]),
    ("HOSTNAME", [NO, HOST, NO, HOST, NO, NO, NO]),
    ("HOSTTYPE", [NO, machine("the machine's kind", Plain), NO, NO, NO, NO, NO]),
    ("KEYBOARD_HACK", [NO, NO, NO, NO, NO, NO, text("")]),
    ("KEYTIMEOUT", [NO, NO, NO, NO, NO, NO, text("40")]),
    ("KSHEGID", [NO, NO, NO, NO, NO, fact(Fact::EffectiveGroup, Plain), NO]),
    ("KSHGID", [NO, NO, NO, NO, NO, fact(Fact::Group, Plain), NO]),
    ("KSHUID", [NO, NO, NO, NO, NO, fact(Fact::User, Plain), NO]),
    ("KSH_VERSION", [NO, NO, NO, NO, text("Version AJM 93u+m/1.0.4 2022-10-22"), text("@(#)MIRBSD KSH R59 2023/04/29 +Debian"), NO]),
    ("LINENO", [own(Own::Line, Plain), own(Own::Line, Kept), NO, own(Own::Line, Plain), own(Own::Line, Moved), own(Own::Line, Moved), own(Own::Line, Frozen)]),
    ("LINES", [NO, NO, NO, NO, NO, TERMINAL, TERMINAL]),
    ("LISTMAX", [NO, NO, NO, NO, NO, NO, text("100")]),
    ("LOGNAME", [NO, NO, NO, NO, NO, NO, machine("who runs the shell", Plain)]),
    ("MACHTYPE", [NO, machine("the machine's kind", Plain), NO, NO, NO, NO, machine("the machine's kind", Plain)]),
    ("MAILCHECK", [NO, NO, NO, NO, text("600"), NO, text("60")]),
    ("MAILPATH", [NO, NO, NO, NO, NO, NO, text("")]),
    ("MANPATH", [NO, NO, NO, NO, NO, NO, text("")]),
    ("MODULE_PATH", [NO, NO, NO, NO, NO, NO, machine("how the shell was built", Plain)]),
    ("OSTYPE", [NO, text("linux-gnu"), NO, NO, NO, NO, text("linux-gnu")]),
    ("PATHSEP", [NO, NO, NO, NO, NO, text(":"), NO]),
    ("PGRP", [NO, NO, NO, NO, NO, machine("the process number of the shell", Kept), NO]),
    ("PIPESTATUS", [NO, own(Own::Statuses, Kept), NO, NO, NO, own(Own::Statuses, Frozen), NO]),
    ("PPID", [PARENT, FROZEN_PARENT, PARENT, PARENT, PARENT, PARENT, FROZEN_PARENT]),
    ("PROMPT", [NO, NO, NO, NO, NO, NO, text("")]),
    ("PROMPT2", [NO, NO, NO, NO, NO, NO, text("")]),
    ("PROMPT3", [NO, NO, NO, NO, NO, NO, text("?# ")]),
    ("PROMPT4", [NO, NO, NO, NO, NO, NO, text("+%N:%i> ")]),
    ("PS1", [NO, NO, text("# "), text("\\w \\$ "), NO, text("# "), text("")]),
    ("PS2", [NO, NO, text("> "), text("> "), text("> "), text("> "), text("")]),
    ("PS3", [NO, NO, NO, NO, text("#? "), text("#? "), text("?# ")]),
    ("PS4", [text("+ "), text("+ "), text("+ "), text("+ "), text("+ "), text("+ "), text("+%N:%i> ")]),
    ("PSVAR", [NO, NO, NO, NO, NO, NO, text("")]),
    ("RANDOM", [NO, CHANCE, NO, CHANCE, CHANCE, CHANCE, CHANCE]),
    ("SAVEHIST", [NO, NO, NO, NO, NO, NO, text("0")]),
    ("SECONDS", [NO, CLOCK, NO, NO, CLOCK, CLOCK, CLOCK]),
    ("SHELL", [NO, machine("who runs the shell", Plain), NO, NO, machine("how the shell was built", Plain), NO, NO]),
    ("SHELLOPTS", [NO, own(Own::Options, Frozen), NO, NO, NO, NO, NO]),
    ("SPROMPT", [NO, NO, NO, NO, NO, NO, text("zsh: correct '%R' to '%r' [nyae]? ")]),
    ("SRANDOM", [NO, CHANCE, NO, NO, NO, NO, NO]),
    ("TERM", [NO, machine("the terminal", Plain), NO, NO, NO, NO, NO]),
    ("TIMEFMT", [NO, NO, NO, NO, NO, NO, text("%J  %U user %S system %P cpu %*E total")]),
    ("TMOUT", [NO, NO, NO, NO, text("0"), text("0"), NO]),
    ("TMPPREFIX", [NO, NO, NO, NO, NO, NO, text("/tmp/zsh")]),
    ("TRY_BLOCK_ERROR", [NO, NO, NO, NO, NO, NO, text("-1")]),
    ("TRY_BLOCK_INTERRUPT", [NO, NO, NO, NO, NO, NO, text("-1")]),
    ("TTY", [NO, NO, NO, NO, NO, NO, TERMINAL]),
    ("TTYIDLE", [NO, NO, NO, NO, NO, NO, TERMINAL]),
    ("UID", [NO, fact(Fact::User, Frozen), NO, NO, NO, NO, fact(Fact::User, Plain)]),
    ("USERNAME", [NO, NO, NO, NO, NO, NO, machine("who runs the shell", Plain)]),
    ("USER_ID", [NO, NO, NO, NO, NO, fact(Fact::User, Plain), NO]),
    ("VENDOR", [NO, NO, NO, NO, NO, NO, machine("who built the shell", Plain)]),
    ("WATCH", [NO, NO, NO, NO, NO, NO, text("")]),
    ("WORDCHARS", [NO, NO, NO, NO, NO, NO, text("*?_-.[]~=/&;!#$%^(){}<>")]),
    ("ZSH_ARGZERO", [NO, NO, NO, NO, NO, NO, machine("the path of the shell", Plain)]),
    ("ZSH_EVAL_CONTEXT", [NO, NO, NO, NO, NO, NO, machine("where the command is read", Plain)]),
    ("ZSH_EXECUTION_STRING", [NO, NO, NO, NO, NO, NO, own(Own::CommandText, Plain)]),
    ("ZSH_NAME", [NO, NO, NO, NO, NO, NO, text("zsh")]),
    ("ZSH_PATCHLEVEL", [NO, NO, NO, NO, NO, NO, machine("who built the shell", Plain)]),
    ("ZSH_SCRIPT", [NO, NO, NO, NO, NO, NO, own(Own::ScriptPath, Plain)]),
    ("ZSH_SUBSHELL", [NO, NO, NO, NO, NO, NO, own(Own::Depth, Plain)]),
    ("ZSH_VERSION", [NO, NO, NO, NO, NO, NO, text("5.9")]),
    ("_", [NO, own(Own::LastArgument, Kept), NO, NO, NO, NO, own(Own::LastArgument, Kept)]),
    ("aliases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Aliases), Kept)]),
    ("builtins", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Builtins), Kept)]),
    ("cdpath", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("commands", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Commands), Kept)]),
    ("dirstack", [NO, NO, NO, NO, NO, NO, own(Own::Folders(FolderList::Below), Kept)]),
    ("dis_aliases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("dis_builtins", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("dis_functions", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("dis_functions_source", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("dis_galiases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("dis_patchars", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("dis_reswords", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("dis_saliases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("fignore", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("fpath", [NO, NO, NO, NO, NO, NO, machine("how the shell was built", Plain)]),
    ("funcfiletrace", [NO, NO, NO, NO, NO, NO, own(Own::Traces, Kept)]),
    ("funcsourcetrace", [NO, NO, NO, NO, NO, NO, own(Own::Traces, Kept)]),
    ("funcstack", [NO, NO, NO, NO, NO, NO, own(Own::Calls, Kept)]),
    ("functions", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Functions), Kept)]),
    ("functions_source", [NO, NO, NO, NO, NO, NO, machine("where the functions are from", Plain)]),
    ("functrace", [NO, NO, NO, NO, NO, NO, own(Own::Traces, Kept)]),
    ("galiases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::GlobalAliases), Kept)]),
    ("histchars", [NO, NO, NO, NO, NO, NO, text("!^#")]),
    ("history", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("historywords", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("jobdirs", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("jobstates", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("jobtexts", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Nothing), Kept)]),
    ("keymaps", [NO, NO, NO, NO, NO, NO, machine("the terminal", Plain)]),
    ("mailpath", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("manpath", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("module_path", [NO, NO, NO, NO, NO, NO, machine("how the shell was built", Plain)]),
    ("modules", [NO, NO, NO, NO, NO, NO, machine("how the shell was built", Plain)]),
    ("nameddirs", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::NamedFolders), Kept)]),
    ("options", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Options), Kept)]),
    ("parameters", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::Parameters), Kept)]),
    ("patchars", [NO, NO, NO, NO, NO, NO, own(Own::List(PATTERN_CHARACTERS), Kept)]),
    ("pipestatus", [NO, NO, NO, NO, NO, NO, own(Own::Statuses, Kept)]),
    ("prompt", [NO, NO, NO, NO, NO, NO, text("")]),
    ("psvar", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("reswords", [NO, NO, NO, NO, NO, NO, own(Own::List(RESERVED), Kept)]),
    ("saliases", [NO, NO, NO, NO, NO, NO, own(Own::Table(Table::SuffixAliases), Kept)]),
    ("signals", [NO, NO, NO, NO, NO, NO, own(Own::List(SIGNALS), Kept)]),
    ("status", [NO, NO, NO, NO, NO, NO, own(Own::Status, Kept)]),
    ("termcap", [NO, NO, NO, NO, NO, NO, machine("the terminal", Plain)]),
    ("terminfo", [NO, NO, NO, NO, NO, NO, machine("the terminal", Plain)]),
    ("userdirs", [NO, NO, NO, NO, NO, NO, machine("the users of the machine", Plain)]),
    ("usergroups", [NO, NO, NO, NO, NO, NO, machine("the users of the machine", Plain)]),
    ("watch", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
    ("widgets", [NO, NO, NO, NO, NO, NO, machine("the terminal", Plain)]),
    ("zsh_eval_context", [NO, NO, NO, NO, NO, NO, machine("where the command is read", Plain)]),
    ("zsh_scheduled_events", [NO, NO, NO, NO, NO, NO, own(Own::List(&[]), Plain)]),
];

/// How a shell keeps the variable of this name, if it does.
pub fn own_variable(shell: Shell, name: &[u8]) -> Option<OwnVariable> {
    let at = ROWS.binary_search_by(|(known, _)| known.as_bytes().cmp(name)).ok()?;
    ROWS[at].1[shell as usize]
}

/// The names of the variables that a shell keeps.
pub fn own_names(shell: Shell) -> impl Iterator<Item = &'static [u8]> {
    let kept = ROWS.iter().filter(move |(_, columns)| columns[shell as usize].is_some());
    kept.map(|(name, _)| name.as_bytes())
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_are_sorted() {
        assert!(ROWS.is_sorted_by(|(one, _), (next, _)| one < next));
    }

    #[test]
    fn a_shell_keeps_its_own_variables_only() {
        assert_eq!(own_variable(Shell::Dash, b"RANDOM"), None);
        assert_eq!(own_variable(Shell::Bash, b"RANDOM"), CHANCE);
        assert_eq!(own_variable(Shell::Bash, b"RANDO"), None);
    }
}
