//! `alias` and `unalias`.

use std::rc::Rc;

use crate::dialect::{AskedAliases, EmptyAliasNames, PassedAliases};
use crate::expand::quoting::told;
use crate::state::associative::summed;
use crate::stop::{Status, Stop};
use crate::syntax::{Alias, AliasCounts};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::hash::alias_folders;
use crate::walk::builtins::options::Given;

/// How an alias is told.
#[derive(Clone, Copy, PartialEq, Eq)]
enum AliasForm {
    /// `name=value`, perhaps behind a word.
    Assignment,
    /// The call of the utility that makes it.
    Call,
    /// Its name alone.
    Name,
}

/// `alias [name[=value]]...`
pub(super) fn alias(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut status = 0;
    let given = call.given(walker.state.dialect.alias_letters, false);
    if given.unknown.is_some()
        && let Some(status) = walker.state.dialect.alias_usage_status
    {
        return Ok(status);
    }
    let operands = match walker.state.dialect.alias_usage_status {
        None => call.arguments(),
        Some(_) => given.operands,
    };
    let (form, operands) = match operands {
        [plus, rest @ ..] if plus.bytes() == b"+" && walker.state.dialect.alias_plus_asks_names => {
            (AliasForm::Name, rest)
        }
        operands if given.has(b'p') || given.has(b'L') => (AliasForm::Call, operands),
        operands => (AliasForm::Assignment, operands),
    };
    if given.has(b'd') && walker.state.dialect.aliases_name_folders {
        return Ok(alias_folders(walker, call, &given));
    }
    if given.has(b't') {
        return Ok(walker.tracked(&given, call));
    }
    let counts = match (given.has(b'g'), given.has(b's')) {
        _ if !walker.state.dialect.global_aliases => AliasCounts::AtCommands,
        (true, true) => return Ok(1),
        (true, false) => AliasCounts::Everywhere,
        (false, true) => AliasCounts::BeforeSuffix,
        (false, false) => AliasCounts::AtCommands,
    };
    let tells = form == AliasForm::Call;
    if operands.is_empty() || (tells && walker.state.dialect.alias_tells_all_first) {
        walker.tell_aliases(counts, form, call);
        if operands.is_empty() || walker.state.aliases.is_empty() {
            return Ok(0);
        }
    }
    let only_tells = tells && walker.state.dialect.alias_only_tells;
    let sums_up = walker.state.dialect.alias_counts_unknown_names;
    let mut assigns = false;
    let is_dashed = || call.arguments().first().is_some_and(|word| word.bytes().starts_with(b"-"));
    let passes = match walker.state.dialect.unknown_aliases_pass {
        PassedAliases::None => false,
        PassedAliases::Exported => given.has(b'x'),
        PassedAliases::Dashed => is_dashed() && !given.has(b'p'),
    };
    let refused = walker.state.dialect.alias_names_refuse.as_bytes();
    let is_bad = |name: &[u8]| name.iter().any(|byte| refused.contains(byte));
    for operand in operands {
        let bytes = operand.bytes();
        let first = usize::from(walker.state.dialect.alias_names_begin_anyhow && bytes.len() > 1);
        let equals = bytes[first..].iter().position(|&byte| byte == b'=');
        let Some(equals) = equals.map(|at| at + first).filter(|_| !only_tells) else {
            match walker.state.aliases.get(&*counts.kept_name(bytes)).cloned() {
                Some(alias) => {
                    walker.tell_alias(bytes, &alias, form, call);
                }
                None if walker.state.dialect.alias_stops_at_bad_name && is_bad(bytes) => {
                    status = 1;
                    break;
                }
                None if passes => walker.ask_for_alias(bytes, AskedAliases::Passed),
                None => {
                    if !tells {
                        walker.ask_for_alias(bytes, AskedAliases::All);
                    }
                    if walker.state.dialect.alias_tells_absence {
                        walker.print_bytes(&[bytes, b" alias not found"].concat(), call);
                    }
                    status = if sums_up { status + Status::from(!assigns) } else { 1 };
                }
            }
            continue;
        };
        if equals == 0 {
            match walker.state.dialect.empty_alias_names {
                EmptyAliasNames::Unknown => status = 1,
                EmptyAliasNames::Passed => {}
                EmptyAliasNames::End => return Err(walker.fatal(call, "an alias needs a name")),
            }
            continue;
        }
        if is_bad(&bytes[..equals]) {
            status = 1;
            if walker.state.dialect.alias_stops_at_bad_name {
                break;
            }
            continue;
        }
        assigns = true;
        let value = &bytes[equals + 1..];
        let mut alias = Alias::of(value, counts, &mut walker.state.sources);
        let aliases = Rc::make_mut(&mut walker.state.aliases);
        let name = counts.kept_name(&bytes[..equals]);
        // One that is there already keeps its place.
        alias.made = aliases.get(&*name).map_or(alias.made, |known| known.made);
        aliases.insert(name.into(), alias);
    }
    Ok(status)
}

impl Walker {
    /// Makes a name known to `unalias`, where asking for it like that does it.
    fn ask_for_alias(&mut self, name: &[u8], least: AskedAliases) {
        if self.state.dialect.asked_aliases_are_known >= least {
            Rc::make_mut(&mut self.state.asked_aliases).insert(name.into());
        }
    }

    /// Tells all aliases, where the shell has none but those of the script and tells them in an order.
    fn tell_aliases(&mut self, which: AliasCounts, form: AliasForm, call: &Call<'_>) {
        let aliases = self.state.aliases.clone();
        let told = |counts: AliasCounts| match which {
            AliasCounts::AtCommands => {
                form == AliasForm::Call || counts != AliasCounts::BeforeSuffix
            }
            which => counts == which,
        };
        let mut told: Vec<_> = aliases.iter().filter(|(_, alias)| told(alias.counts)).collect();
        match self.state.dialect.aliases_are_in_buckets {
            true => told.sort_by_key(|(name, alias)| (summed(name) % 39, alias.made)),
            false => told.sort_unstable_by_key(|(name, _)| *name),
        }
        for (name, alias) in told {
            self.tell_alias(alias.counts.shown_name(name), alias, form, call);
        }
    }

    /// Tells one alias.
    fn tell_alias(&mut self, name: &[u8], alias: &Alias, form: AliasForm, call: &Call<'_>) {
        if form == AliasForm::Name {
            return self.print_bytes(name, call);
        }
        let (plain, of_call) = self.state.dialect.alias_prefixes;
        let prefix = match alias.counts {
            _ if form == AliasForm::Assignment => plain,
            AliasCounts::AtCommands => of_call,
            AliasCounts::Everywhere => "alias -g ",
            AliasCounts::BeforeSuffix => "alias -s ",
        };
        let text = told(&self.state.dialect, &alias.text);
        self.print_bytes(&[prefix.as_bytes(), name, b"=", &text].concat(), call);
    }
}

/// `unalias -d [-a] [name]...` of mksh.
fn forget_folders(walker: &mut Walker, given: &Given<'_>) -> Status {
    let folders = Rc::make_mut(&mut walker.state.named_folders);
    if given.has(b'a') {
        folders.clear();
        return 0;
    }
    let absent = |name: &&Text| folders.remove(name.bytes()).is_none();
    Status::from(given.operands.iter().filter(absent).count() > 0)
}

/// `unalias [-a] name...`
pub(super) fn unalias(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let names_folders = walker.state.dialect.aliases_name_folders;
    let letters = match () {
        () if names_folders => "adt",
        () if walker.state.dialect.global_aliases => "as",
        () => "a",
    };
    let given = call.given(letters, false);
    if given.unknown.is_some() {
        return Ok(walker.state.dialect.option_usage_status);
    }
    if given.has(b't') {
        // It is about where programs have been found.
        return Ok(0);
    }
    if given.has(b'd') {
        return Ok(forget_folders(walker, &given));
    }
    if given.operands.is_empty() && !given.has(b'a') {
        return Ok(walker.state.dialect.unalias_nothing_status);
    }
    let counts = if given.has(b's') { AliasCounts::BeforeSuffix } else { AliasCounts::AtCommands };
    let aliases = Rc::make_mut(&mut walker.state.aliases);
    if given.has(b'a') {
        let is_suffix = |alias: &Alias| alias.counts == AliasCounts::BeforeSuffix;
        aliases.retain(|_, alias| is_suffix(alias) != given.has(b's'));
        walker.state.asked_aliases = Rc::default();
        if !walker.state.dialect.unalias_all_minds_names {
            return Ok(0);
        }
    }
    let asked = Rc::make_mut(&mut walker.state.asked_aliases);
    let mut status = 0;
    for name in given.operands {
        let name = counts.kept_name(name.bytes());
        let is_known = aliases.remove(&*name).is_some() | asked.remove(&*name);
        status |= Status::from(!is_known);
    }
    Ok(status)
}
