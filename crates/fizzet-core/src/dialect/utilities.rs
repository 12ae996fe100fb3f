//! Which names a shell carries out itself.

use bstr::ByteSlice;

use crate::dialect::{Dialect, Shell};
use crate::packed::Names;
use crate::syntax::is_name;

/// How a command name is carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum UtilityKind {
    /// A special built-in utility (POSIX XCU 2.15).
    Special,
    /// Another built-in utility.
    Builtin,
}

/// POSIX XCU 2.15; sorted, as the other lists are.
const SPECIAL: &[&str] = &[
    ".", ":", "break", "continue", "eval", "exec", "exit", "export", "readonly", "return", "set",
    "shift", "times", "trap", "unset",
];

/// What each shell carries out as a special built-in utility besides, in the order of the table's columns; observed
/// with `x=1 NAME; echo $x` and `NAME >/nosuch/f; echo after`.
const SPECIAL_TOO: [&[&str]; 7] =
    [&[], &[], &["local"], &["local", "source"], &["typeset"], &[], &[]];

/// Built-in in every shell here.
const COMMON: &[&str] = &[
    "[", "alias", "bg", "cd", "command", "echo", "false", "fg", "getopts", "hash", "jobs", "kill",
    "printf", "pwd", "read", "test", "true", "type", "ulimit", "umask", "unalias", "wait",
];

/// What each shell has besides, in the order of the table's columns; observed with `type NAME`.
const OWN: [&[&str]; 7] = [
    &[],
    &[
        "bind",
        "builtin",
        "caller",
        "compgen",
        "complete",
        "compopt",
        "declare",
        "dirs",
        "disown",
        "enable",
        "fc",
        "help",
        "history",
        "let",
        "local",
        "logout",
        "mapfile",
        "popd",
        "pushd",
        "readarray",
        "shopt",
        "source",
        "suspend",
        "typeset",
    ],
    &["chdir", "local"],
    &["[[", "chdir", "help", "history", "let", "local", "source"],
    &[
        "autoload",
        "builtin",
        "compound",
        "disown",
        "enum",
        "fc",
        "float",
        "functions",
        "hist",
        "integer",
        "let",
        "nameref",
        "print",
        "redirect",
        "sleep",
        "source",
        "stop",
        "suspend",
        "typeset",
        "whence",
    ],
    &[
        "\\builtin",
        "bind",
        "builtin",
        "chdir",
        "fc",
        "let",
        "print",
        "realpath",
        "rename",
        "source",
        "suspend",
        "typeset",
        "whence",
    ],
    &[
        "autoload",
        "bindkey",
        "builtin",
        "bye",
        "chdir",
        "compadd",
        "comparguments",
        "compcall",
        "compctl",
        "compdescribe",
        "compfiles",
        "compgroups",
        "compquote",
        "compset",
        "comptags",
        "comptry",
        "compvalues",
        "declare",
        "dirs",
        "disable",
        "disown",
        "echotc",
        "echoti",
        "emulate",
        "enable",
        "fc",
        "float",
        "functions",
        "getln",
        "history",
        "integer",
        "let",
        "limit",
        "local",
        "log",
        "logout",
        "noglob",
        "popd",
        "print",
        "private",
        "pushd",
        "pushln",
        "r",
        "rehash",
        "sched",
        "setopt",
        "source",
        "suspend",
        "ttyctl",
        "typeset",
        "unfunction",
        "unhash",
        "unlimit",
        "unsetopt",
        "vared",
        "whence",
        "where",
        "which",
        "zcompile",
        "zformat",
        "zle",
        "zmodload",
        "zparseopts",
        "zregexparse",
        "zstyle",
    ],
];

/// What a shell lacks of [`COMMON`], in the order of the table's columns; observed likewise.
const ABSENT: [&[&str]; 7] = [&[], &[], &[], &[], &[], &["hash", "printf", "type"], &[]];

/// The utilities of each shell, in the order of the table's columns, and how it carries them out.
static UTILITIES: [Names<256>; 7] = {
    let mut all = [const { Names::new() }; 7];
    let mut column = 0;
    while column < 7 {
        let special = Names::new()
            .with_all(SPECIAL, SPECIAL_UTILITY)
            .with_all(SPECIAL_TOO[column], SPECIAL_UTILITY);
        let absent = special.with_all(ABSENT[column], ABSENT_UTILITY);
        all[column] = absent.with_all(COMMON, OTHER_UTILITY).with_all(OWN[column], OTHER_UTILITY);
        column += 1;
    }
    all
};

// The numbers in [`UTILITIES`].
const ABSENT_UTILITY: u16 = 0;
const SPECIAL_UTILITY: u16 = 1;
const OTHER_UTILITY: u16 = 2;

/// Utilities whose `name=value` arguments are assignments.
const DECLARATIONS: &[&str] = &[
    "export", "readonly", "typeset", "declare", "local", "integer", "float", "nameref", "compound",
];

/// The names of all utilities that a shell carries out itself.
pub fn utility_names(shell: Shell) -> impl Iterator<Item = &'static str> {
    let own = OWN[shell as usize].iter();
    SPECIAL.iter().chain(COMMON).chain(own).copied()
}

impl Dialect {
    /// How the shell carries out `name`, unless it is a function or an external command.
    pub fn utility(&self, name: &[u8]) -> Option<UtilityKind> {
        // In dash `fg`, `bg` and `jobs` exist too; the posix mode has only what POSIX names.
        match UTILITIES[self.shell as usize].number(name)? {
            ABSENT_UTILITY => None,
            SPECIAL_UTILITY => Some(UtilityKind::Special),
            _ => Some(UtilityKind::Builtin),
        }
    }

    /// Whether the bytes are a name (POSIX XBD 3.235), which some shells let hold letters beyond ASCII.
    pub fn is_name(&self, bytes: &[u8]) -> bool {
        let is_wide = || {
            let mut characters = bytes.chars();
            let begins =
                characters.next().is_some_and(|first| first.is_alphabetic() || first == '_');
            begins && characters.all(|other| other.is_alphanumeric() || other == '_')
        };
        is_name(bytes) || (self.wide_names && !bytes.is_ascii() && is_wide())
    }

    /// Whether no function may have this name.
    pub fn reserves_function_name(&self, name: &[u8]) -> bool {
        self.reserved_function_names
            .is_some_and(|others| others.iter().chain(SPECIAL).any(|one| one.as_bytes() == name))
    }

    /// Whether `name=value` arguments of this utility are read as assignments.
    pub fn is_declaration(&self, name: &[u8]) -> bool {
        let is_listed = DECLARATIONS.iter().any(|one| one.as_bytes() == name);
        let declares = is_listed || (name == b"alias" && self.aliases_are_declared);
        self.declarations && declares && self.utility(name).is_some()
    }
}

/// Reserved words that not every shell has.
const RESERVED_SOMEWHERE: &[(&str, &[Shell])] = {
    use Shell::{Bash, Busybox, Ksh93, Mksh, Zsh};
    &[
        ("[[", &[Bash, Ksh93, Mksh, Zsh]),
        ("((", &[Bash, Ksh93, Mksh, Zsh]),
        ("function", &[Bash, Busybox, Ksh93, Mksh, Zsh]),
        ("select", &[Bash, Ksh93, Mksh, Zsh]),
        ("time", &[Bash, Ksh93, Mksh, Zsh]),
        ("coproc", &[Bash, Zsh]),
        ("repeat", &[Zsh]),
    ]
};

/// The shells that carry out a command of this name themselves.
pub fn shells_with(name: &[u8]) -> Vec<Shell> {
    let reserving = RESERVED_SOMEWHERE.iter().find(|(word, _)| word.as_bytes() == name);
    let reserving = reserving.map_or(&[][..], |(_, shells)| shells);
    let has =
        |shell: &Shell| reserving.contains(shell) || Dialect::of(*shell).utility(name).is_some();
    Shell::ALL.into_iter().filter(has).collect()
}

/// Whether some shell carries out a command of this name itself.
pub fn is_known_elsewhere(name: &[u8]) -> bool {
    ELSEWHERE.number(name).is_some()
}

/// Reserved words that not every shell has, and utilities of every shell that are not special.
static ELSEWHERE: Names<1024> = {
    let mut all = Names::new().with_all(COMMON, OTHER_UTILITY);
    let mut at = 0;
    while at < RESERVED_SOMEWHERE.len() {
        all = all.with(RESERVED_SOMEWHERE[at].0, OTHER_UTILITY);
        at += 1;
    }
    let mut column = 0;
    while column < OWN.len() {
        all = all.with_all(OWN[column], OTHER_UTILITY);
        column += 1;
    }
    all
};

#[cfg(test)]
mod tests {
    use super::{COMMON, OWN, SPECIAL};

    #[test]
    fn lists_of_names_are_sorted() {
        for names in [SPECIAL, COMMON].into_iter().chain(OWN) {
            assert!(names.is_sorted(), "{names:?}");
        }
    }
}
