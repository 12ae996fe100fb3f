//! What lists of all variables show beside the variables that a script and the environment made.

use crate::dialect::Shell;

/// What a variable is in a list as long as nobody assigned it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Listed {
    /// What the shell keeps in it anyway.
    Kept,
    /// The same everywhere.
    Text(&'static str),
    /// It depends on the machine.
    Unknown,
    /// An array without elements.
    List,
    /// An associative array without elements.
    Pairs,
    /// It has attributes and no value.
    Unset,
    /// It is made when somebody asks for it.
    Undefined,
    /// The positional parameters.
    Parameters,
    /// How many there are.
    Count,
    /// `$?`
    Status,
    /// `$0`
    Zero,
    /// `$-`
    Letters,
}

use Listed::{
    Count, Kept, Letters, List, Pairs, Parameters, Status, Text, Undefined, Unknown, Unset, Zero,
};

/// A variable in the lists of a shell: its name, what it is, and its attributes: `i` for an integer, `t`
/// for one shown to the base 10, `U` for one without a sign, `r` for read-only, `x` for exported, `n` for the name of another variable,
/// `f` for a real with three digits.
pub type ListEntry = (&'static str, Listed, &'static str);

/// Variables that a list of values leaves out until somebody has asked for them (observed in all six).
const UNSEEN: [&[&str]; 7] = [
    &["LINENO"],
    &[
        "BASHPID",
        "BASH_ARGV0",
        "BASH_COMMAND",
        "BASH_SUBSHELL",
        "COMP_WORDBREAKS",
        "EPOCHREALTIME",
        "EPOCHSECONDS",
        "HISTCMD",
        "LINENO",
        "RANDOM",
        "SECONDS",
        "SRANDOM",
    ],
    &["LINENO"],
    &["EPOCHREALTIME", "EPOCHSECONDS", "LINENO", "FUNCNAME", "RANDOM"],
    &["_"],
    &["LINENO"],
    &[],
];

#[rustfmt::skip]
const POSIX: &[ListEntry] = &[
    ("PS1", Unknown, ""),
];

#[rustfmt::skip]
const BASH: &[ListEntry] = &[
    ("BASHPID", Kept, "i"),
    ("BASH_ALIASES", Pairs, ""),
    ("BASH_ARGC", List, ""),
    ("BASH_ARGV", List, ""),
    ("BASH_CMDS", Pairs, ""),
    ("BASH_LOADABLES_PATH", Kept, ""),
    ("DIRSTACK", List, ""),
    ("EUID", Kept, "i"),
    ("GROUPS", List, ""),
    ("HISTCMD", Kept, "i"),
    ("OLDPWD", Unset, "x"),
    ("OPTIND", Kept, "i"),
    ("PPID", Kept, "i"),
    ("RANDOM", Kept, "i"),
    ("SECONDS", Kept, ""),
    ("SHELL", Unknown, ""),
    ("SRANDOM", Kept, "i"),
    ("TERM", Text("dumb"), ""),
    ("UID", Kept, "i"),
];

#[rustfmt::skip]
const DASH: &[ListEntry] = &[
    ("PS1", Unknown, ""),
];

#[rustfmt::skip]
const BUSYBOX: &[ListEntry] = &[
    ("FUNCNAME", Text(""), ""),
    ("LINENO", Text(""), ""),
    ("PS1", Kept, ""),
];

#[rustfmt::skip]
const KSH93: &[ListEntry] = &[
    (".sh", Undefined, "r"),
    ("ENV", Unknown, ""),
    ("FCEDIT", Kept, ""),
    ("HISTCMD", Kept, "i"),
    ("KSH_VERSION", Kept, "n"),
    ("JOBMAX", Text("0"), "i"),
    ("LINENO", Kept, "i"),
    ("MAILCHECK", Kept, "i"),
    ("OPTIND", Kept, "i"),
    ("PPID", Kept, "i"),
    ("RANDOM", Kept, "i"),
    ("SECONDS", Kept, "f"),
    ("SHELL", Unknown, ""),
    ("SHLVL", Kept, "i"),
    ("TMOUT", Kept, "i"),
    ("_", Unset, "x"),
];

#[rustfmt::skip]
const MKSH: &[ListEntry] = &[
    ("BASHPID", Kept, "iU"),
    ("COLUMNS", Unset, "i"),
    ("HOME", Unset, "x"),
    ("KSHEGID", Kept, "iU"),
    ("KSHGID", Kept, "iU"),
    ("KSHUID", Kept, "iU"),
    ("KSH_VERSION", Kept, "r"),
    ("LINES", Unset, "i"),
    ("OPTIND", Kept, "i"),
    ("PGRP", Kept, "iU"),
    ("PIPESTATUS", Kept, "irU"),
    ("PPID", Kept, "iU"),
    ("PS1", Unknown, ""),
    ("RANDOM", Kept, "iU"),
    ("SECONDS", Kept, "i"),
    ("SHELL", Unset, "x"),
    ("TMOUT", Kept, "i"),
    ("USER_ID", Kept, "iU"),
];

#[rustfmt::skip]
const ZSH: &[ListEntry] = &[
    ("!", Unknown, "itr"),
    ("#", Count, "itr"),
    ("$", Unknown, "itr"),
    ("*", Parameters, "r"),
    ("-", Letters, "r"),
    ("0", Zero, ""),
    ("?", Status, "itr"),
    ("@", Parameters, "r"),
    ("ARGC", Kept, "itr"),
    ("CDPATH", Kept, ""),
    ("COLUMNS", Unknown, "it"),
    ("CPUTYPE", Kept, ""),
    ("EGID", Kept, "it"),
    ("EUID", Kept, "it"),
    ("FIGNORE", Kept, ""),
    ("FPATH", Unknown, ""),
    ("FUNCNEST", Kept, "it"),
    ("GID", Kept, "it"),
    ("HISTCHARS", Kept, ""),
    ("HISTCMD", Kept, "itr"),
    ("HISTSIZE", Kept, "it"),
    ("HOME", Unknown, "x"),
    ("HOST", Kept, ""),
    ("IFS", Kept, ""),
    ("KEYBOARD_HACK", Kept, ""),
    ("KEYTIMEOUT", Kept, "i"),
    ("LINENO", Kept, "itr"),
    ("LINES", Unknown, "it"),
    ("LISTMAX", Kept, "i"),
    ("LOGNAME", Unknown, "x"),
    ("MACHTYPE", Kept, ""),
    ("MAILCHECK", Kept, "i"),
    ("MAILPATH", Kept, ""),
    ("MANPATH", Kept, ""),
    ("MODULE_PATH", Unknown, ""),
    ("NULLCMD", Text("cat"), ""),
    ("OLDPWD", Kept, "x"),
    ("OPTARG", Text(""), ""),
    ("OPTIND", Text("1"), "it"),
    ("OSTYPE", Kept, ""),
    ("PATH", Kept, ""),
    ("PPID", Kept, "itr"),
    ("PROMPT", Kept, ""),
    ("PROMPT2", Kept, ""),
    ("PROMPT3", Kept, ""),
    ("PROMPT4", Kept, ""),
    ("PS1", Kept, ""),
    ("PS2", Kept, ""),
    ("PS3", Kept, ""),
    ("PS4", Kept, ""),
    ("PSVAR", Kept, ""),
    ("PWD", Kept, ""),
    ("RANDOM", Kept, "it"),
    ("READNULLCMD", Text("pager"), ""),
    ("SAVEHIST", Kept, "it"),
    ("SECONDS", Kept, "it"),
    ("SHLVL", Text("1"), "it"),
    ("SPROMPT", Unknown, ""),
    ("TIMEFMT", Kept, ""),
    ("TMPPREFIX", Kept, ""),
    ("TRY_BLOCK_ERROR", Kept, "it"),
    ("TRY_BLOCK_INTERRUPT", Kept, "it"),
    ("TTY", Unknown, ""),
    ("TTYIDLE", Unknown, "itr"),
    ("UID", Kept, "it"),
    ("USERNAME", Kept, ""),
    ("VENDOR", Kept, ""),
    ("WATCH", Undefined, ""),
    ("WORDCHARS", Kept, ""),
    ("ZSH_ARGZERO", Unknown, ""),
    ("ZSH_EVAL_CONTEXT", Unknown, "r"),
    ("ZSH_NAME", Kept, ""),
    ("ZSH_PATCHLEVEL", Kept, ""),
    ("ZSH_SCRIPT", Unknown, ""),
    ("ZSH_SUBSHELL", Kept, "itr"),
    ("ZSH_VERSION", Kept, ""),
    ("_", Kept, ""),
    ("aliases", Undefined, ""),
    ("argv", Parameters, ""),
    ("builtins", Undefined, ""),
    ("cdpath", Kept, ""),
    ("commands", Undefined, ""),
    ("dirstack", Undefined, ""),
    ("dis_aliases", Undefined, ""),
    ("dis_builtins", Undefined, ""),
    ("dis_functions", Undefined, ""),
    ("dis_functions_source", Undefined, ""),
    ("dis_galiases", Undefined, ""),
    ("dis_patchars", Undefined, ""),
    ("dis_reswords", Undefined, ""),
    ("dis_saliases", Undefined, ""),
    ("fignore", Kept, ""),
    ("fpath", Unknown, ""),
    ("funcfiletrace", Undefined, ""),
    ("funcsourcetrace", Undefined, ""),
    ("funcstack", Undefined, ""),
    ("functions", Undefined, ""),
    ("functions_source", Undefined, ""),
    ("functrace", Undefined, ""),
    ("galiases", Undefined, ""),
    ("histchars", Kept, ""),
    ("history", Undefined, ""),
    ("historywords", Undefined, ""),
    ("jobdirs", Undefined, ""),
    ("jobstates", Undefined, ""),
    ("jobtexts", Undefined, ""),
    ("keymaps", Undefined, ""),
    ("mailpath", Kept, ""),
    ("manpath", Kept, ""),
    ("module_path", Unknown, ""),
    ("modules", Undefined, ""),
    ("nameddirs", Undefined, ""),
    ("options", Undefined, ""),
    ("parameters", Undefined, ""),
    ("patchars", Undefined, ""),
    ("path", List, ""),
    ("pipestatus", Kept, ""),
    ("prompt", Kept, ""),
    ("psvar", Kept, ""),
    ("reswords", Undefined, ""),
    ("saliases", Undefined, ""),
    ("signals", Unknown, ""),
    ("status", Kept, "itr"),
    ("termcap", Undefined, ""),
    ("terminfo", Undefined, ""),
    ("userdirs", Undefined, ""),
    ("usergroups", Undefined, ""),
    ("watch", Undefined, ""),
    ("widgets", Undefined, ""),
    ("zsh_eval_context", Unknown, "r"),
    ("zsh_scheduled_events", Undefined, ""),
];

/// Each observed in the shell with an empty environment: `set`, `typeset -p`, `export -p`, `readonly -p`.
const ENTRIES: [&[ListEntry]; 7] = [POSIX, BASH, DASH, BUSYBOX, KSH93, MKSH, ZSH];

/// The variables in the lists of a shell that it has from the start.
pub fn listed_variables(shell: Shell) -> &'static [ListEntry] {
    ENTRIES[shell as usize]
}

/// Whether a variable that a shell has from the start is an integer.
pub fn is_listed_integer(shell: Shell, name: &[u8]) -> bool {
    let mut entries = listed_variables(shell).iter();
    entries.any(|(known, _, letters)| known.as_bytes() == name && letters.contains('i'))
}

/// Whether a list of values leaves a variable out until somebody has asked for it.
pub fn is_unseen(shell: Shell, name: &[u8]) -> bool {
    UNSEEN[shell as usize].iter().any(|known| known.as_bytes() == name)
}
