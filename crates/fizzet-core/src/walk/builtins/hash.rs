//! `hash` (POSIX XCU hash): where programs were found.

use std::rc::Rc;

use crate::expand::quoting::told;
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::options::Given;
use crate::walk::builtins::process::unpredictable;

/// `hash [name]...`
pub(super) fn hash(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = call.given(dialect.hash_letters.unwrap_or("rldpt"), false);
    if dialect.hash_letters.is_some() && given.unknown.is_some() {
        return Ok(walker.complain(call, dialect.jobs_usage_status));
    }
    if dialect.hash_is_table {
        return in_table(walker, call, &given);
    }
    if given.has(b'd') && dialect.folders_have_names {
        return Ok(name_folders(walker, call, &given));
    }
    if given.has(b'd') && dialect.aliases_name_folders {
        return Ok(alias_folders(walker, call, &given));
    }
    if given.has(b'r') {
        if dialect.hash_forgets_alone && !given.operands.is_empty() {
            return Ok(walker.complain(call, 1));
        }
        walker.state.hashed = Rc::default();
    }
    let mut all = true;
    for name in given.operands {
        let is_found = walker.can_be_hashed(name.bytes());
        if is_found && !walker.is_of_shell(name.bytes()) {
            walker.was_run(name.bytes());
        }
        all &= is_found;
    }
    Ok(if all { 0 } else { dialect.unknown_hash_status })
}

/// `hash -d name=folder` of zsh.
fn name_folders(walker: &mut Walker, call: &Call<'_>, given: &Given<'_>) -> Status {
    let mut status = 0;
    if given.operands.is_empty() && !given.has(b'r') {
        for (name, folder) in walker.state.named_folders.clone().iter() {
            let origin = Origin::new(Rule::Output, call.span);
            let line = [name, &b"="[..], folder.bytes(), b"\n"].concat();
            walker.write(Text::from_bytes(line, Standing::Quoted, origin));
        }
    }
    if given.has(b'r') {
        walker.state.named_folders = Rc::default();
    }
    for operand in given.operands {
        let names = Rc::make_mut(&mut walker.state.named_folders);
        match operand.bytes().iter().position(|&byte| byte == b'=') {
            Some(at) => {
                let folder = operand.slice(at + 1, operand.len());
                names.insert(operand.bytes()[..at].into(), folder);
            }
            None => status |= Status::from(!names.contains_key(operand.bytes())),
        }
    }
    status
}

/// `alias -d name=folder` and `hash -d` of mksh (mksh manual, alias).
pub(super) fn alias_folders(walker: &mut Walker, call: &Call<'_>, given: &Given<'_>) -> Status {
    if given.has(b'r') {
        return walker.complain(call, 1);
    }
    let folders = walker.state.named_folders.clone();
    if given.operands.is_empty() {
        for (name, folder) in folders.iter() {
            walker.tell_folder(name, folder, call);
        }
        return 0;
    }
    let mut status = 0;
    for operand in given.operands {
        let bytes = operand.bytes();
        if let Some(at) = bytes.iter().position(|&byte| byte == b'=') {
            let names = Rc::make_mut(&mut walker.state.named_folders);
            names.insert(bytes[..at].into(), operand.slice(at + 1, operand.len()));
            continue;
        }
        match folders.get(bytes) {
            Some(folder) => walker.tell_folder(bytes, folder, call),
            None => {
                walker.print_bytes(&[bytes, b" alias not found"].concat(), call);
                status = 1;
            }
        }
    }
    status
}

/// `unhash [-dfa] name...` of zsh.
pub(super) fn unhash(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("adfms0123456789", false);
    if given.unknown.is_some() || given.operands.is_empty() {
        return Ok(1);
    }
    let mut status = 0;
    for name in given.operands {
        let name = name.bytes();
        let state = &mut walker.state;
        let was_there = match () {
            () if given.has(b'd') => Rc::make_mut(&mut state.named_folders).remove(name).is_some(),
            () if given.has(b'f') => state.functions.remove(name).is_some(),
            () if given.has(b'a') => Rc::make_mut(&mut state.aliases).remove(name).is_some(),
            () => Rc::make_mut(&mut state.hashed).remove(name).is_some(),
        };
        status |= Status::from(!was_there);
    }
    Ok(status)
}

/// `hash [-lr] [-p path] [-dt] [name]...` of bash, which tells what it holds (bash manual, bourne shell builtins).
fn in_table(walker: &mut Walker, call: &Call<'_>, given: &Given<'_>) -> Result<Status, Stop> {
    if !walker.state.letter_is_on(b'h') {
        return Ok(walker.complain(call, 1));
    }
    let names = given.operands;
    if names.is_empty() && (given.has(b't') || given.has(b'd')) {
        return Ok(walker.complain(call, 1));
    }
    if given.has(b'r') {
        walker.state.hashed = Rc::default();
    }
    if names.is_empty() {
        let tells = !given.has(b'r') && !walker.state.hashed.is_empty();
        return if tells { unpredictable(walker, call) } else { Ok(0) };
    }
    let mut status = 0;
    let forgets_nothing = walker.state.hashed.is_empty();
    for name in names {
        let bytes = name.bytes();
        let is_known = match () {
            () if given.has(b't') => walker.tell_hashed(call, bytes, names.len() > 1),
            () if given.has(b'd') => {
                Rc::make_mut(&mut walker.state.hashed).remove(bytes).is_some() || forgets_nothing
            }
            () if let Some(path) = given.value(b'p') => {
                let path = Some(path.bytes().into());
                Rc::make_mut(&mut walker.state.hashed).insert(bytes.into(), path);
                true
            }
            () => walker.is_of_shell(bytes) || bytes.contains(&b'/') || walker.hashes(bytes),
        };
        if !is_known {
            status = walker.complain(call, 1);
        }
    }
    Ok(status)
}

impl Walker {
    /// Tells the folder that a name stands for.
    fn tell_folder(&mut self, name: &[u8], folder: &Text, call: &Call<'_>) {
        let text = told(&self.state.dialect, folder.bytes());
        self.print_bytes(&[name, b"=", &text].concat(), call);
    }

    /// Whether `hash` finds a name.
    fn can_be_hashed(&self, name: &[u8]) -> bool {
        let programs = self.state.dialect.hash_is_for_programs;
        // A path needs no looking for; `name=path` says where a program is.
        let is_found = name.contains(if programs { &b'=' } else { &b'/' });
        is_found || (!programs && self.is_of_shell(name)) || self.on_path(name).is_some()
    }

    /// Whether a name is that of a function or a utility of the shell.
    fn is_of_shell(&self, name: &[u8]) -> bool {
        self.state.functions.contains_key(name) || self.state.utility(name).is_some()
    }

    /// Looks for a program and keeps in mind that it was found; answers whether it was.
    fn hashes(&mut self, name: &[u8]) -> bool {
        let is_found = self.on_path(name).is_some();
        if is_found {
            self.was_run(name);
        }
        is_found
    }

    /// Keeps in mind that a program was looked for; whether it is there is seen when somebody asks.
    pub(in crate::walk) fn was_run(&mut self, name: &[u8]) {
        let dialect = &self.state.dialect;
        let counts = match dialect.hash_is_table {
            true => self.state.letter_is_on(b'h'),
            false => dialect.type_words.hashed.is_some(),
        };
        if counts && !name.contains(&b'/') && !self.state.hashed.contains_key(name) {
            Rc::make_mut(&mut self.state.hashed).insert(name.into(), None);
        }
    }

    /// Tells where a program was found, behind its name if there are others; answers whether that is known.
    fn tell_hashed(&mut self, call: &Call<'_>, name: &[u8], names_it: bool) -> bool {
        let path = match self.state.hashed.get(name) {
            None => return false,
            Some(Some(path)) => path.to_vec(),
            Some(None) => match self.on_path(name) {
                Some(path) => path,
                None => return false,
            },
        };
        let line = match names_it {
            true => [name, b"\t", &path, b"\n"].concat(),
            false => [&path[..], b"\n"].concat(),
        };
        let origin = Origin::new(Rule::Output, call.span);
        self.write(Text::from_bytes(line, Standing::Quoted, origin));
        true
    }
}
