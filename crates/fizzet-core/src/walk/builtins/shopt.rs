//! `shopt`: bash's second set of options.

use crate::lineage::{Origin, Rule};
use crate::state::Options;
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::settings::as_command;

/// An option: its name, its value at the start, and its field if it has one.
type Entry = (&'static str, bool, Option<Field>);

/// The field of an option that changes what commands receive.
type Field = fn(&mut Options) -> &mut bool;

/// Every option as `shopt` lists it in bash 5.2, sorted.
static SHOPT: &[Entry] = &[
    ("assoc_expand_once", false, Some(|options| &mut options.keys_expand_once)),
    ("autocd", false, None),
    ("cdable_vars", false, None),
    ("cdspell", false, None),
    ("checkhash", false, None),
    ("checkjobs", false, None),
    ("checkwinsize", true, None),
    ("cmdhist", true, None),
    ("compat31", false, None),
    ("compat32", false, None),
    ("compat40", false, None),
    ("compat41", false, None),
    ("compat42", false, None),
    ("compat43", false, None),
    ("compat44", false, None),
    ("complete_fullquote", true, None),
    ("direxpand", false, None),
    ("dirspell", false, None),
    ("dotglob", false, Some(|options| &mut options.dot_glob)),
    ("execfail", false, Some(|options| &mut options.survives_exec)),
    ("expand_aliases", false, Some(|options| &mut options.expand_aliases)),
    ("extdebug", false, Some(|options| &mut options.debugger)),
    ("extglob", false, Some(|options| &mut options.extended_glob)),
    ("extquote", true, None),
    ("failglob", false, Some(|options| &mut options.fail_glob)),
    ("force_fignore", true, None),
    ("globasciiranges", true, None),
    ("globskipdots", true, Some(|options| &mut options.shows_dots)),
    ("globstar", false, Some(|options| &mut options.glob_star)),
    ("gnu_errfmt", false, None),
    ("histappend", false, None),
    ("histreedit", false, None),
    ("histverify", false, None),
    ("hostcomplete", true, None),
    ("huponexit", false, None),
    ("inherit_errexit", false, Some(|options| &mut options.inherits_exit_on_error)),
    ("interactive_comments", true, None),
    ("lastpipe", false, Some(|options| &mut options.last_in_place)),
    ("lithist", false, None),
    ("localvar_inherit", false, Some(|options| &mut options.locals_inherit)),
    ("localvar_unset", false, Some(|options| &mut options.callers_stay_hidden)),
    ("login_shell", false, None),
    ("mailwarn", false, None),
    ("no_empty_cmd_completion", false, None),
    ("nocaseglob", false, Some(|options| &mut options.no_case_glob)),
    ("nocasematch", false, Some(|options| &mut options.no_case_match)),
    ("noexpand_translation", false, None),
    ("nullglob", false, Some(|options| &mut options.null_glob)),
    ("patsub_replacement", true, Some(|options| &mut options.no_ampersand)),
    ("progcomp", true, None),
    ("progcomp_alias", false, None),
    ("promptvars", true, None),
    ("restricted_shell", false, None),
    ("shift_verbose", false, None),
    ("sourcepath", true, None),
    ("varredir_close", false, Some(|options| &mut options.named_close)),
    ("xpg_echo", false, Some(|options| &mut options.echo_decodes)),
];

impl Options {
    /// Whether an option of `shopt` is on; `None` if there is none of this name.
    fn shopt(&mut self, name: &[u8]) -> Option<bool> {
        let (at, (_, first, field)) = entry(name)?;
        Some(match field {
            // The field says that it is off.
            Some(field) if *first => !*field(self),
            Some(field) => *field(self),
            None => first ^ (self.toggled >> at & 1 == 1),
        })
    }

    /// The names of the options of `shopt` that are on, sorted.
    pub(crate) fn shopts_on(&self) -> Vec<&'static str> {
        let mut options = self.clone();
        let names = SHOPT.iter().map(|(name, ..)| *name);
        names.filter(|name| options.shopt(name.as_bytes()) == Some(true)).collect()
    }

    fn set_shopt(&mut self, name: &[u8], on: bool) -> bool {
        let Some((at, (_, first, field))) = entry(name) else { return false };
        match field {
            Some(field) => {
                *field(self) = on != *first;
                if name == b"extdebug" {
                    (self.traces_functions, self.traces_errors) = (on, on);
                }
            }
            None => self.toggled = self.toggled & !(1 << at) | u64::from(on != *first) << at,
        }
        true
    }
}

fn entry(name: &[u8]) -> Option<(usize, &'static Entry)> {
    let at = SHOPT.binary_search_by(|(known, ..)| known.as_bytes().cmp(name)).ok()?;
    Some((at, &SHOPT[at]))
}

/// `shopt [-su] [-pqo] [name...]`
pub(super) fn shopt(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("supqo", false);
    if given.unknown.is_some() || (given.has(b's') && given.has(b'u')) {
        let status = if given.unknown.is_some() { 2 } else { 1 };
        return Ok(walker.complain(call, status));
    }
    let changes = given.has(b's') || given.has(b'u');
    if given.operands.is_empty() {
        if given.has(b'o') {
            let wanted = |on| (!given.has(b's') || on) && (!given.has(b'u') || !on);
            walker.tell_options_of_set(wanted, given.has(b'p'), call);
            return Ok(0);
        }
        return Ok(list(walker, call, &given));
    }
    let mut status = 0;
    for name in given.operands {
        let name = name.bytes();
        let is_on = match given.has(b'o') {
            true => walker.state.option_is_on(name),
            false => walker.state.options.shopt(name),
        };
        let Some(is_on) = is_on else {
            status = walker.complain(call, 1);
            continue;
        };
        match (changes, given.has(b'o')) {
            (true, true) => status |= Status::from(!walker.state.set_option(name, given.has(b's'))),
            (true, false) => {
                walker.state.options.set_shopt(name, given.has(b's'));
                if walker.state.options.debugger {
                    let state = &mut walker.state;
                    state.doing.arguments.begin(state.positional.all());
                }
            }
            (false, of_set) => {
                status |= Status::from(!is_on);
                if !given.has(b'q') {
                    tell(walker, call, name, is_on, given.has(b'p'), of_set);
                }
            }
        }
    }
    Ok(status)
}

/// All options, or with -s and -u those that are on or off.
fn list(walker: &mut Walker, call: &Call<'_>, given: &super::options::Given<'_>) -> Status {
    for (name, ..) in SHOPT {
        let is_on = walker.state.options.shopt(name.as_bytes()).unwrap_or(false);
        let wanted = (!given.has(b's') || is_on) && (!given.has(b'u') || !is_on);
        if wanted && !given.has(b'q') {
            tell(walker, call, name.as_bytes(), is_on, given.has(b'p'), false);
        }
    }
    0
}

fn tell(
    walker: &mut Walker,
    call: &Call<'_>,
    name: &[u8],
    on: bool,
    as_commands: bool,
    of_set: bool,
) {
    let name = String::from_utf8_lossy(name);
    let line = match (as_commands, of_set) {
        (true, true) => as_command(&name, on),
        (true, false) => format!("shopt -{} {name}\n", if on { 's' } else { 'u' }),
        (false, _) => format!("{name:<15}\t{}\n", if on { "on" } else { "off" }),
    };
    let origin = Origin::new(Rule::Output, call.span);
    walker.write(Text::from_bytes(line, Standing::Quoted, origin));
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn options_are_sorted_and_fit_the_set() {
        assert!(SHOPT.is_sorted_by(|(one, ..), (next, ..)| one < next));
        assert!(SHOPT.len() <= 64);
    }

    #[test]
    fn an_option_is_what_it_was_set_to() {
        let mut options = Options::default();
        for (name, first, _) in SHOPT {
            let name = name.as_bytes();
            assert_eq!(options.shopt(name), Some(*first));
            options.set_shopt(name, !first);
            assert_eq!(options.shopt(name), Some(!first));
            options.set_shopt(name, *first);
        }
        assert_eq!(options, Options::default());
        assert_eq!(options.shopt(b"nosuch"), None);
    }
}
