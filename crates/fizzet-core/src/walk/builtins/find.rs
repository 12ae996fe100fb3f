//! `command`, `builtin`, `type`, `hash`, `alias`, `unalias`: what a name stands for.

use std::rc::Rc;

use crate::expand::Context;
use crate::host::FileKind;
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// Words that `command -v` tells as they are.
const RESERVED: &[&[u8]] = &[
    b"if", b"then", b"else", b"elif", b"fi", b"do", b"done", b"case", b"esac", b"while", b"until",
    b"for", b"in", b"{", b"}", b"!",
];

/// `command [-pvV] name ...`, `builtin name ...`: functions do not count.
pub(super) fn command(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("pvVx", false);
    if given.has(b'v') || given.has(b'V') {
        return walker.tell(call, given.operands, given.has(b'v'));
    }
    let Some(name) = given.operands.first() else { return Ok(0) };
    if walker.state.dialect.utility(name.bytes()).is_some()
        && !(walker.state.dialect.command_is_for_programs && call.bytes(0) == Some(b"command"))
    {
        let status = walker.builtin(given.operands, call.span);
        return match status {
            // `command` keeps the mistakes of a special built-in from ending the shell.
            Err(Stop::Shell(error)) if error.is_usage => Ok(error.status),
            other => other,
        };
    }
    walker.external(given.operands.to_vec(), call.span)
}

/// `type name...`
pub(super) fn tell_type(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.type_letters, false);
    if given.has(b't') {
        let mut status = 0;
        for name in given.operands {
            match walker.found(name.bytes()) {
                Some((kind, _)) => walker.print_bytes(kind.as_bytes(), call),
                None => status = 1,
            }
        }
        return Ok(status);
    }
    walker.tell(call, given.operands, false)
}

impl Walker {
    /// Tells what names stand for; the status says whether all of them are known.
    fn tell(&mut self, call: &Call<'_>, names: &[Text], briefly: bool) -> Result<Status, Stop> {
        let mut unknown = false;
        for name in names {
            match self.found(name.bytes()) {
                Some((_, path)) if briefly => self.print_bytes(&path, call),
                Some((kind, path)) => {
                    self.missing("how the shell words what a name stands for", call.span);
                    self.print_bytes(&[name.bytes(), kind.as_bytes(), &path].join(&b' '), call);
                }
                None => unknown = true,
            }
        }
        Ok(if unknown { self.state.dialect.unknown_name_status } else { 0 })
    }

    /// What carries a name out, in the words of `type -t`, and how `command -v` tells it.
    fn found(&mut self, name: &[u8]) -> Option<(&'static str, Vec<u8>)> {
        if let Some((value, _)) = self.state.aliases.get(name) {
            let told = [b"alias ", name, b"='", value, b"'"].concat();
            return Some(("alias", told));
        }
        if RESERVED.contains(&name) {
            return Some(("keyword", name.to_vec()));
        }
        if self.state.functions.contains_key(name) {
            return Some(("function", name.to_vec()));
        }
        if self.state.dialect.utility(name).is_some() {
            return Some(("builtin", name.to_vec()));
        }
        self.on_path(name).map(|path| ("file", path))
    }

    /// Where PATH finds a program.
    pub(in crate::walk) fn on_path(&self, name: &[u8]) -> Option<Vec<u8>> {
        let host = Context::host(self);
        let runs = |path: &[u8]| {
            host.status(path, true)
                .is_some_and(|status| status.kind != FileKind::Folder && status.access[2])
        };
        if name.contains(&b'/') {
            return runs(name).then(|| name.to_vec());
        }
        let path = self.state.variables.scalar(b"PATH")?.bytes();
        let folders = path.split(|&byte| byte == b':');
        let mut places = folders.map(|folder| match folder {
            b"" => name.to_vec(),
            folder => [folder, b"/", name].concat(),
        });
        places.find(|place| runs(place))
    }

    fn print_bytes(&mut self, bytes: &[u8], call: &Call<'_>) {
        let origin = Origin::new(Rule::Output, call.span);
        let mut text = Text::from_bytes(bytes, Standing::Quoted, origin.clone());
        text.push(b"\n", Standing::Quoted, &origin);
        self.write(text);
    }
}

/// `alias [name[=value]]...`
pub(super) fn alias(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut status = 0;
    for operand in call.given("ptgs", false).operands {
        let bytes = operand.bytes();
        let Some(equals) = bytes.iter().position(|&byte| byte == b'=').filter(|&at| at > 0) else {
            match walker.state.aliases.get(bytes).cloned() {
                Some((value, _)) => {
                    let told = [bytes, b"='", &value, b"'"].concat();
                    walker.print_bytes(&told, call);
                }
                None => status = 1,
            }
            continue;
        };
        let value = &bytes[equals + 1..];
        let source = walker.state.sources.built("alias", value);
        let aliases = Rc::make_mut(&mut walker.state.aliases);
        aliases.insert(bytes[..equals].into(), (value.into(), source));
    }
    Ok(status)
}

/// `unalias [-a] name...`
pub(super) fn unalias(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("a", false);
    let aliases = Rc::make_mut(&mut walker.state.aliases);
    if given.has(b'a') {
        aliases.clear();
    }
    let mut status = 0;
    for name in given.operands {
        status |= Status::from(aliases.remove(name.bytes()).is_none());
    }
    Ok(status)
}

/// `hash [name]...`
pub(super) fn hash(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("rldpt", false);
    let known = |name: &Text| {
        walker.state.functions.contains_key(name.bytes())
            || walker.state.dialect.utility(name.bytes()).is_some()
            || walker.on_path(name.bytes()).is_some()
    };
    Ok(Status::from(!given.operands.iter().all(known)))
}
