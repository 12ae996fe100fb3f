//! The arrays in which a shell tells what it has besides its own state: the programs that a search of PATH finds
//! or has found, and the kinds of all variables (zshmodules, "The zsh/parameter Module"; bash manual, BASH_CMDS).

use crate::dialect::{Listed, Own, Shell, listed_variables, own_names, own_variable};
use crate::expand::Context;
use crate::expand::tilde::program_path;
use crate::state::{Associative, Keeps, Side, State, Table, Value, Variable};

/// Brings a variable up to date that the shell keeps itself, and answers what of it nobody can know.
pub(super) fn freshen(cx: &mut dyn Context, name: &[u8]) -> Option<&'static str> {
    let table = match own_variable(cx.state().dialect.shell, name) {
        Some((Own::Table(table), _))
            if matches!(table, Table::Commands | Table::Hashed | Table::Parameters) =>
        {
            table
        }
        _ => return cx.state().freshen(name),
    };
    if cx.state().variables.get(name).is_some_and(|variable| !variable.own) {
        return None;
    }
    let pairs = match table {
        Table::Commands => programs(cx),
        Table::Hashed => hashed(cx),
        _ => kinds(cx),
    };
    let state = cx.state();
    let mut elements = Associative::of_buckets(state.dialect.key_order, table.buckets());
    for (key, value) in pairs {
        elements.set(state.shell_text(&key), state.shell_text(&value));
    }
    state.variables.restore(name, Some(Variable::own(Value::Associative(elements))));
    None
}

/// The programs in the folders of PATH, with their paths.
fn programs(cx: &mut dyn Context) -> Vec<(Vec<u8>, Vec<u8>)> {
    let path = cx.state().search_path().unwrap_or_default().into_owned();
    let mut found: Vec<(Vec<u8>, Vec<u8>)> = Vec::new();
    for folder in path.split(|&byte| byte == b':').rev() {
        cx.host().list(folder, &mut |name| {
            found.push((name.to_vec(), [folder, b"/", name].concat()));
        });
    }
    found
}

/// The programs that have been looked for, with their paths.
fn hashed(cx: &mut dyn Context) -> Vec<(Vec<u8>, Vec<u8>)> {
    let hashed = cx.state().hashed.clone();
    let mut found = Vec::with_capacity(hashed.len());
    for (name, program) in hashed.iter() {
        let path = program.path.as_deref().map(<[u8]>::to_vec).or_else(|| program_path(cx, name));
        found.extend(path.map(|path| (name.to_vec(), path)));
    }
    found
}

/// The variables that there are, with their kinds.
fn kinds(cx: &mut dyn Context) -> Vec<(Vec<u8>, Vec<u8>)> {
    let shell = cx.state().dialect.shell;
    for name in own_names(shell) {
        cx.state().freshen(name);
    }
    let names: Vec<Vec<u8>> =
        cx.state().variables.names().into_iter().map(|name| name.to_vec()).collect();
    let kind = |name: Vec<u8>| {
        let is_local = cx.is_local(&name);
        let kind = kind_of_variable(cx.state(), &name, is_local);
        (!kind.is_empty()).then_some((name, kind))
    };
    names.into_iter().filter_map(kind).collect()
}

/// What the shell has from the start and keeps like any other variable.
const COMMON: &[&[u8]] = &[b"KEYTIMEOUT", b"LISTMAX", b"MAILCHECK", b"signals"];

/// What of the shell's tables a script can change.
const CHANGEABLE: &[&[u8]] = &[
    b"aliases",
    b"commands",
    b"dirstack",
    b"dis_aliases",
    b"dis_functions",
    b"dis_galiases",
    b"dis_saliases",
    b"functions",
    b"galiases",
    b"nameddirs",
    b"options",
    b"saliases",
];

/// The variables of the shell that it tells as of another kind than what they hold here, by that
/// kind and what belongs to it (observed in zsh 5.9).
const KINDS: &[(&str, &[&str], &[&str])] = &[
    (
        "integer",
        &["readonly"],
        &[
            "ARGC",
            "HISTCMD",
            "LINENO",
            "PPID",
            "TTYIDLE",
            "ZSH_SUBSHELL",
            "status",
            "!",
            "$",
            "#",
            "?",
        ],
    ),
    (
        "integer",
        &[],
        &["COLUMNS", "EGID", "EUID", "GID", "LINES", "OPTIND", "RANDOM", "SECONDS", "SHLVL", "UID"],
    ),
    ("scalar", &["readonly"], &["-"]),
    ("scalar", &[], &["0", "HOME", "IFS", "LANG", "NULLCMD", "OPTARG", "READNULLCMD", "WATCH"]),
    ("scalar", &["readonly", "tied"], &["ZSH_EVAL_CONTEXT"]),
    ("array", &["readonly", "tied"], &["zsh_eval_context"]),
    ("array", &["readonly"], &["*", "@"]),
    ("array", &["tied"], &["fpath", "module_path"]),
    ("array", &[], &["watch"]),
    ("array", &["readonly", "hide-hideval"], &["keymaps"]),
    (
        "association",
        &["readonly", "hide-hideval"],
        &[
            "functions_source",
            "modules",
            "termcap",
            "terminfo",
            "userdirs",
            "usergroups",
            "widgets",
        ],
    ),
];

/// What the shell tells of one of its own variables.
fn told_kind(name: &[u8]) -> Option<(&'static str, &'static [&'static str])> {
    let mut kinds = KINDS.iter();
    let known = kinds.find(|(.., names)| names.iter().any(|one| one.as_bytes() == name));
    known.map(|&(kind, marks, _)| (kind, marks))
}

/// What kind of parameter this one is that is no variable: `array-special`.
pub(super) fn kind_of_parameter(name: &[u8]) -> Vec<u8> {
    let (kind, marks) = told_kind(name).unwrap_or(("array", &[]));
    [&[kind], marks, &["special"]].concat().join("-").into_bytes()
}

/// Whether a variable is of the module that tells of the shell.
fn tells_of_shell(shell: Shell, name: &[u8]) -> bool {
    let mut listed = listed_variables(shell).iter();
    listed.any(|(known, how, _)| known.as_bytes() == name && *how == Listed::Undefined)
}

/// What kind of variable a name is: `scalar`, `array-readonly`; nothing where there is none.
pub(super) fn kind_of_variable(state: &State, name: &[u8], is_local: bool) -> Vec<u8> {
    let shell = state.dialect.shell;
    let told = told_kind(name);
    let marks = told.map(|(_, marks)| marks);
    let is_marked = |mark: &str, known: bool| marks.map_or(known, |marks| marks.contains(&mark));
    let is_special = told.is_some()
        || state.tie(name).is_some_and(|tie| tie.lasts)
        || (own_variable(shell, name).is_some() && !COMMON.contains(&name));
    let Some(variable) = state.variables.get(name) else { return Vec::new() };
    let mut words = vec![match (&variable.value, variable.keeps) {
        (Value::Scalar(_), Keeps::Text | Keeps::Integer(_)) if let Some((kind, _)) = told => kind,
        (Value::Indexed(_), _) => "array",
        (Value::Associative(_), _) => "association",
        (_, Keeps::Integer(_)) => "integer",
        (_, Keeps::Real { .. }) => "float",
        (Value::Nothing, Keeps::Text) => return Vec::new(),
        _ => "scalar",
    }];
    words.extend(is_local.then_some("local"));
    words.extend(variable.field.map(|field| match field.side() {
        Side::Left => "left",
        Side::Right => "right_blanks",
        Side::Zeros => "right_zeros",
    }));
    words.extend(match variable.keeps {
        Keeps::Lower => Some("lower"),
        Keeps::Upper => Some("upper"),
        _ => None,
    });
    let tells = is_special && tells_of_shell(shell, name);
    let is_frozen = is_marked("readonly", tells && !CHANGEABLE.contains(&name));
    words.extend((variable.read_only || is_frozen).then_some("readonly"));
    words.extend(is_marked("tied", state.tie(name).is_some()).then_some("tied"));
    words.extend(variable.exported.then_some("export"));
    words.extend(variable.unique.then_some("unique"));
    words.extend(is_marked("hide-hideval", tells).then_some("hide-hideval"));
    words.extend(is_special.then_some("special"));
    words.join("-").into_bytes()
}
