//! What the shell carries out itself: one table, a file a family.

mod alias;
mod assigned;
mod attributes;
mod autoload;
mod columns;
mod compgen;
mod control;
mod declared;
mod emulations;
mod enable;
mod escapes;
mod find;
mod folder_stack;
mod folders;
mod functions;
mod getopts;
mod hash;
mod input;
mod kill;
mod let_expressions;
mod limits;
mod mapfile;
mod modules;
mod options;
mod print;
mod printf;
mod printf_conversions;
mod printf_numbers;
mod process;
mod read;
mod read_numbers;
mod read_targets;
mod reals;
mod references;
mod set;
mod settings;
mod shift;
mod shopt;
mod signal_list;
mod tell;
mod test;
mod ties;
mod time;
mod trap;
mod umask;
mod unset;
mod variables;
mod wait;
mod zparseopts;
pub(in crate::walk) mod zsh_options;

pub(super) use control::number;
pub(super) use getopts::OptionPlace;
pub(super) use kill::signal_number;
pub(super) use trap::{Left, SubshellIs};

use std::cell::Cell;

use crate::dialect::UtilityKind;
use crate::expand::Context;
use crate::packed::Names;
use crate::source::Span;
use crate::stop::{ShellError, Status, Stop};
use crate::text::Text;
use crate::walk::Walker;

/// Which words that begin with a dash are operands.
#[derive(Clone, Copy)]
pub(super) struct Undashed {
    /// `-1`
    numbers: bool,
    /// `---x`
    three: bool,
}

impl Undashed {
    pub(super) fn has(self, word: &[u8]) -> bool {
        (self.numbers && word.get(1).is_some_and(u8::is_ascii_digit)) || self.has_dashes(word)
    }

    pub(super) fn has_dashes(self, word: &[u8]) -> bool {
        self.three && word.starts_with(b"---")
    }
}

/// A built-in utility under way.
pub(super) struct Call<'a> {
    /// The name and the arguments.
    pub(super) argv: &'a [Text],
    /// Where the command is written.
    pub(super) span: Span,
    /// Whether a lone `-` ends the options.
    pub(super) dash_ends: bool,
    /// Whether a second dash is passed over, as in `--x`.
    pub(super) dash_is_doubled: bool,
    /// Which words with a dash are no options.
    pub(super) operands: Undashed,
    /// Whether the utility was found to be used wrongly.
    pub(super) misused: &'a Cell<bool>,
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
    ("alias", alias::alias),
    ("autoload", autoload::autoload),
    ("break", control::leave_loop),
    ("builtin", find::builtin),
    ("bye", control::exit),
    ("caller", functions::caller),
    ("cd", folders::cd),
    ("chdir", folders::cd),
    ("command", find::command),
    ("compgen", compgen::compgen),
    ("compound", variables::declare_as),
    ("continue", control::leave_loop),
    ("declare", variables::declare),
    ("dirs", folder_stack::dirs),
    ("disable", enable::enable),
    ("disown", process::jobs),
    ("echo", print::echo),
    ("emulate", zsh_options::emulate),
    ("enable", enable::enable),
    ("eval", control::eval),
    ("exec", process::exec),
    ("exit", control::exit),
    ("export", variables::declare),
    ("false", |_, _| Ok(1)),
    ("float", variables::declare_as),
    ("functions", functions::functions),
    ("getopts", getopts::getopts),
    ("hash", hash::hash),
    ("help", process::help),
    ("integer", variables::declare_as),
    ("jobs", process::jobs),
    ("kill", kill::kill),
    ("let", let_expressions::evaluate),
    ("local", variables::declare),
    ("mapfile", mapfile::mapfile),
    ("nameref", variables::declare_as),
    ("popd", folder_stack::popd),
    ("print", print::print),
    ("printf", printf::printf),
    ("pushd", folder_stack::pushd),
    ("pwd", folders::pwd),
    ("read", read::read),
    ("readarray", mapfile::mapfile),
    ("readonly", variables::declare),
    ("return", control::exit),
    ("set", set::set),
    ("setopt", zsh_options::set_options),
    ("shift", shift::shift),
    ("shopt", shopt::shopt),
    ("source", process::dot),
    ("test", test::test),
    ("times", process::times),
    ("trap", trap::trap),
    ("true", |_, _| Ok(0)),
    ("type", find::tell_type),
    ("typeset", variables::declare),
    ("ulimit", limits::ulimit),
    ("umask", umask::umask),
    ("unalias", alias::unalias),
    ("unfunction", unset::unfunction),
    ("unhash", hash::unhash),
    ("unset", unset::unset),
    ("unsetopt", zsh_options::set_options),
    ("wait", wait::wait),
    ("whence", find::whence),
    ("where", find::whence),
    ("which", find::whence),
    ("zmodload", modules::zmodload),
    ("zparseopts", zparseopts::zparseopts),
];

/// The lowest status with which a utility writes a message. Those that are not named here write one with any
/// status but 0; where a status can be both, they write it themselves ([`Walker::complain`]).
const MESSAGES_FROM: &[(&[u8], Status)] = &[
    (b"[", 2),
    (b"[[", 2),
    (b"read", 2),
    (b"test", 2),
    (b"whence", 2),
    (b"where", 2),
    (b"which", 2),
    (b".", Status::MAX),
    (b"break", Status::MAX),
    (b"builtin", Status::MAX),
    (b"bye", Status::MAX),
    (b"caller", Status::MAX),
    (b"command", Status::MAX),
    (b"continue", Status::MAX),
    (b"eval", Status::MAX),
    (b"exec", Status::MAX),
    (b"exit", Status::MAX),
    (b"false", Status::MAX),
    (b"functions", Status::MAX),
    (b"getopts", Status::MAX),
    (b"let", Status::MAX),
    (b"return", Status::MAX),
    (b"shift", Status::MAX),
    (b"shopt", Status::MAX),
    (b"source", Status::MAX),
    (b"type", Status::MAX),
    (b"wait", Status::MAX),
];

/// Where each name stands in [`TABLE`].
static PLACES: Names<512> = {
    let mut names = Names::new();
    let mut at = 0;
    while at < TABLE.len() {
        names = names.with(TABLE[at].0, at as u16);
        at += 1;
    }
    names
};

impl Walker {
    /// Whether a utility that ends with a status, not 0, says something by then.
    fn speaks(&self, utility: &[u8], status: Status) -> bool {
        let from = MESSAGES_FROM.iter().find(|(name, _)| *name == utility);
        let silent = self.state.dialect.silent_utilities;
        status >= from.map_or(1, |(_, from)| *from)
            && !silent.iter().any(|one| one.as_bytes() == utility)
    }

    /// Whether a utility fails where what it writes cannot be written; those that only write do always.
    fn minds_output(&self, utility: &[u8]) -> bool {
        let unminded = self.state.dialect.output_unminded;
        unminded.is_some_and(|unminded| !unminded.iter().any(|one| one.as_bytes() == utility))
    }

    /// Writes the message of a utility about its use, and answers the status that goes with it.
    pub(super) fn complain(&mut self, call: &Call<'_>, status: Status) -> Status {
        self.message_hole(call.span);
        status
    }

    /// Whether the wrong use of a utility ends the shell, whatever its status is otherwise.
    fn misuse_ends(&self, name: &[u8]) -> bool {
        let dialect = &self.state.dialect;
        let ends = dialect.misuse_of_special_ends && self.testing == 0;
        ends && dialect.utility(name) == Some(UtilityKind::Special)
    }

    /// Carries out a built-in utility and answers its status.
    pub(super) fn builtin(&mut self, argv: &[Text], span: Span) -> Result<Status, Stop> {
        let name = argv.first().map_or(&b""[..], Text::bytes);
        let ending = self.state.dialect.lone_dash_ends_options;
        let dash_ends = ending.iter().any(|one| one.as_bytes() == name);
        let dash_is_doubled = dash_ends && self.state.dialect.options_take_second_dash;
        let operands = Undashed {
            numbers: self.state.dialect.options_are_no_numbers,
            three: self.state.dialect.three_dashes_are_operands,
        };
        let plain = self.state.dialect.plain_options;
        if argv.get(1).is_some_and(|word| word.bytes().starts_with(b"-"))
            && let Some((_, letters, status)) =
                plain.iter().find(|(one, ..)| one.as_bytes() == name)
        {
            let misused = &Cell::new(false);
            let call = Call { argv, span, dash_ends, dash_is_doubled, operands, misused };
            if call.given(letters, false).unknown.is_some() {
                return Ok(self.complain(&call, *status));
            }
        }
        // What others have lost or asked before is not this utility's.
        (self.lost_output, self.status_is_answer) = (false, false);
        match PLACES.number(name).map(|at| &TABLE[usize::from(at)]) {
            Some((_, run)) => {
                let misused = &Cell::new(false);
                let call = Call { argv, span, dash_ends, dash_is_doubled, operands, misused };
                match run(self, &call) {
                    Ok(status) if misused.get() && self.misuse_ends(name) => {
                        Err(self.fatal_with(&call, "the use is wrong", status))
                    }
                    Err(Stop::Shell(error)) if error.is_read_only => {
                        let is_it = |(utility, _): &&(&str, Status)| utility.as_bytes() == name;
                        let spares = self.state.dialect.read_only_statuses.iter().find(is_it);
                        let ends = self.state.dialect.read_only_end_statuses.iter().find(is_it);
                        match (spares, ends) {
                            (Some(&(_, status)), _) => {
                                self.survive(error);
                                Ok(status)
                            }
                            (None, Some(&(_, status))) => {
                                Err(Stop::Shell(ShellError { status, ..error }))
                            }
                            (None, None) => Err(Stop::Shell(error)),
                        }
                    }
                    Err(Stop::Shell(error))
                        if error.is_number
                            && self.state.dialect.is_declaration(name)
                            && let Some(status) = self.state.dialect.declared_number_status =>
                    {
                        Err(Stop::Shell(ShellError { status, ..error }))
                    }
                    Ok(status) => {
                        let lost = std::mem::take(&mut self.lost_output) && self.minds_output(name);
                        let status = if status == 0 { lost.into() } else { status };
                        let is_answer = std::mem::take(&mut self.status_is_answer);
                        if lost || (status != 0 && !is_answer && self.speaks(name, status)) {
                            self.message_hole(span);
                        }
                        Ok(status)
                    }
                    outcome => outcome,
                }
            }
            None => {
                if argv.first().is_some_and(|name| self.names_job(name)) {
                    return Ok(1);
                }
                let mut idle = self.state.dialect.idle_utilities.iter();
                if let Some(&(_, status)) = idle.find(|(one, _)| one.as_bytes() == name) {
                    if status != 0 {
                        self.message_hole(span);
                    }
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
