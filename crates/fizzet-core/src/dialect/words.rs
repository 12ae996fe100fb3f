//! How `type` and `command -V` word what a name stands for.

/// The words of one shell, behind the name.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct TypeWords {
    /// Of a special built-in utility.
    pub special: &'static str,
    /// Of another built-in utility.
    pub builtin: &'static str,
    /// Of a reserved word.
    pub keyword: &'static str,
    /// Of a function; with a blank at the end where the file follows that it is from.
    pub function: &'static str,
    /// Before the text of an alias.
    pub alias: &'static str,
    /// Behind the text of an alias.
    pub alias_end: &'static str,
    /// Whether the text of an alias is quoted.
    pub alias_quoted: bool,
    /// Before the path of a program.
    pub file: &'static str,
    /// Around that of a program which stands in the table of programs, if that is told otherwise.
    pub hashed: Option<(&'static str, &'static str)>,
    /// Of what is unknown, where that is told on standard output.
    pub unknown: Option<&'static str>,
}

const COMMON: TypeWords = TypeWords {
    special: " is a special shell builtin",
    builtin: " is a shell builtin",
    keyword: " is a shell keyword",
    function: " is a shell function",
    alias: " is an alias for ",
    alias_end: "",
    alias_quoted: false,
    file: " is ",
    hashed: None,
    unknown: Some(": not found"),
};

/// In the order of the dialect table's columns.
pub(super) const TYPE_WORDS: [TypeWords; 7] = [
    COMMON,
    TypeWords {
        special: " is a shell builtin",
        function: " is a function",
        alias: " is aliased to `",
        alias_end: "'",
        hashed: Some((" is hashed (", ")")),
        unknown: None,
        ..COMMON
    },
    TypeWords { hashed: Some((" is a tracked alias for ", "")), ..COMMON },
    TypeWords { function: " is a function", ..COMMON },
    TypeWords {
        keyword: " is a keyword",
        function: " is a function",
        alias_quoted: true,
        file: " is a tracked alias for ",
        unknown: None,
        ..COMMON
    },
    TypeWords {
        keyword: " is a reserved word",
        function: " is a function",
        alias_quoted: true,
        file: " is a tracked alias for ",
        unknown: Some(" not found"),
        ..COMMON
    },
    TypeWords {
        special: " is a shell builtin",
        keyword: " is a reserved word",
        function: " is a shell function from ",
        unknown: Some(" not found"),
        ..COMMON
    },
];
