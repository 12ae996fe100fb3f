//! What the shell carries out itself: one table, a file a family.

mod attributes;
mod autoload;
mod control;
mod escapes;
mod find;
mod folders;
mod functions;
mod getopts;
mod kill;
mod limits;
mod options;
mod parameters;
mod print;
mod printf;
mod printf_numbers;
mod process;
mod read;
mod reals;
mod references;
mod settings;
mod shopt;
mod tell;
mod test;
mod ties;
mod time;
mod trap;
mod unset;
mod variables;
mod zparseopts;
mod zsh_options;

pub(super) use control::number;
pub(super) use getopts::OptionPlace;
pub(super) use kill::signal_number;
pub(super) use trap::SubshellIs;

use crate::expand::Context;
use crate::packed::{packed, packed_all};
use crate::source::Span;
use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;

/// A built-in utility under way.
pub(super) struct Call<'a> {
    /// The name and the arguments.
    pub(super) argv: &'a [Text],
    /// Where the command is written.
    pub(super) span: Span,
    /// Whether a lone `-` ends the options.
    pub(super) dash_ends: bool,
}

impl Call<'_> {
    /// The arguments behind the name.
    fn arguments(&self) -> &[Text] {
        &self.argv[1..]
    }

    /// The bytes of an argument, counted from 1.
    fn bytes(&self, at: usize) -> Option<&[u8]> {
        self.argv.get(at).map(Text::bytes)
    }
}

type Builtin = fn(&mut Walker, &Call<'_>) -> Result<Status, Stop>;

/// The utilities that are evaluated, sorted.
const TABLE: &[(&str, Builtin)] = &[
    (".", process::dot),
    (":", |_, _| Ok(0)),
    ("[", test::bracket),
    ("[[", test::double_bracket),
    ("\\builtin", find::builtin),
    ("alias", find::alias),
    ("autoload", autoload::autoload),
    ("break", control::leave_loop),
    ("builtin", find::builtin),
    ("bye", control::exit),
    ("caller", functions::caller),
    ("cd", folders::cd),
    ("chdir", folders::cd),
    ("command", find::command),
    ("continue", control::leave_loop),
    ("declare", variables::declare),
    ("dirs", folders::dirs),
    ("disown", process::jobs),
    ("echo", print::echo),
    ("emulate", zsh_options::emulate),
    ("eval", control::eval),
    ("exec", process::exec),
    ("exit", control::exit),
    ("export", variables::declare),
    ("false", |_, _| Ok(1)),
    ("float", variables::declare_as),
    ("functions", functions::functions),
    ("getopts", getopts::getopts),
    ("hash", find::hash),
    ("integer", variables::declare_as),
    ("jobs", process::jobs),
    ("kill", kill::kill),
    ("let", variables::evaluate),
    ("local", variables::declare),
    ("mapfile", read::mapfile),
    ("nameref", variables::declare_as),
    ("popd", folders::popd),
    ("print", print::print),
    ("printf", printf::printf),
    ("pushd", folders::pushd),
    ("pwd", folders::pwd),
    ("read", read::read),
    ("readarray", read::mapfile),
    ("readonly", variables::declare),
    ("return", control::exit),
    ("set", parameters::set),
    ("setopt", zsh_options::set_options),
    ("shift", parameters::shift),
    ("shopt", shopt::shopt),
    ("source", process::dot),
    ("test", test::test),
    ("times", process::times),
    ("trap", trap::trap),
    ("true", |_, _| Ok(0)),
    ("type", find::tell_type),
    ("typeset", variables::declare),
    ("ulimit", limits::ulimit),
    ("umask", process::umask),
    ("unalias", find::unalias),
    ("unfunction", unset::unfunction),
    ("unset", unset::unset),
    ("unsetopt", zsh_options::set_options),
    ("wait", process::wait),
    ("whence", find::whence),
    ("where", find::whence),
    ("which", find::whence),
    ("zparseopts", zparseopts::zparseopts),
];

/// Utilities whose status other than 0 is an answer; all others write a message then.
const ANSWERING: &[&[u8]] = &[
    b"[",
    b"[[",
    b"break",
    b"bye",
    b"command",
    b"continue",
    b"eval",
    b"exit",
    b"false",
    b"getopts",
    b"hash",
    b"let",
    b"popd",
    b"read",
    b"return",
    b"shift",
    b"shopt",
    b"source",
    b".",
    b"test",
    b"trap",
    b"wait",
    b"whence",
    b"where",
    b"which",
];

/// Whether a utility says nothing when its status is not 0.
pub(super) fn fails_silently(utility: &[u8]) -> bool {
    ANSWERING.contains(&utility)
}

/// The names of [`TABLE`] as numbers.
static KEYS: [u128; TABLE.len()] = {
    let mut names = [""; TABLE.len()];
    let mut at = 0;
    while at < TABLE.len() {
        names[at] = TABLE[at].0;
        at += 1;
    }
    packed_all(&names)
};

impl Walker {
    /// Carries out a built-in utility and answers its status.
    pub(super) fn builtin(&mut self, argv: &[Text], span: Span) -> Result<Status, Stop> {
        let name = argv.first().map_or(&b""[..], Text::bytes);
        let known = packed(name).and_then(|key| KEYS.binary_search(&key).ok());
        let ending = self.state.dialect.lone_dash_ends_options;
        let dash_ends = ending.iter().any(|one| one.as_bytes() == name);
        match known.map(|at| &TABLE[at]) {
            Some((_, run)) => match run(self, &Call { argv, span, dash_ends }) {
                Err(Stop::Shell(error)) if error.is_read_only => {
                    let statuses = self.state.dialect.read_only_statuses;
                    match statuses.iter().find(|(utility, _)| utility.as_bytes() == name) {
                        Some(&(_, status)) => {
                            self.survive(error);
                            Ok(status)
                        }
                        None => Err(Stop::Shell(error)),
                    }
                }
                outcome => outcome,
            },
            None => {
                if argv.first().is_some_and(|name| self.names_job(name)) {
                    return Ok(1);
                }
                let mut idle = self.state.dialect.idle_utilities.iter();
                if let Some(&(_, status)) = idle.find(|(one, _)| one.as_bytes() == name) {
                    return Ok(status);
                }
                let name = String::from_utf8_lossy(name).into_owned();
                self.missing(&format!("what the built-in {name} does"), span);
                Ok(0)
            }
        }
    }
}

#[cfg(test)]
mod tests {
    #[test]
    fn the_table_is_sorted() {
        assert!(super::TABLE.is_sorted_by_key(|(name, _)| *name));
    }
}
