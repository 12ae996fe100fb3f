//! `hash` (POSIX XCU hash): where programs were found.

use std::rc::Rc;

use crate::dialect::HashList;
use crate::expand::quoting::told;
use crate::lineage::{Origin, Rule};
use crate::state::HashedProgram;
use crate::state::associative::{multiplied, summed};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::options::Given;

/// How the table of programs is told.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
enum Told {
    Plainly,
    /// As calls of `hash` that make it anew.
    AsCalls,
}

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
    } else if given.operands.is_empty() {
        let how = if given.has(b'L') { Told::AsCalls } else { Told::Plainly };
        walker.tell_found(how, call);
    }
    let mut all = true;
    for name in given.operands {
        let is_found = walker.can_be_hashed(name.bytes());
        if is_found && !walker.is_of_shell(name.bytes()) {
            walker.was_found(name.bytes(), false);
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
        let how = if given.has(b'l') { Told::AsCalls } else { Told::Plainly };
        if !given.has(b'r') {
            walker.tell_found(how, call);
        }
        return Ok(0);
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
                walker.keep_found(bytes, Some(path.bytes().into()));
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
    /// `alias -t [name]...` of mksh, which its `hash` stands for.
    pub(super) fn tracked(&mut self, given: &Given<'_>, call: &Call<'_>) -> Status {
        match (given.has(b'r'), given.operands) {
            (true, []) => self.state.hashed = Rc::default(),
            (true, _) => return 1,
            (false, []) => self.tell_found(Told::Plainly, call),
            (false, names) => {
                for name in names.iter().map(Text::bytes).filter(|name| !name.contains(&b'=')) {
                    self.hashes(name);
                }
            }
        }
        0
    }

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
            self.was_found(name, false);
        }
        is_found
    }

    /// Keeps in mind that a program was looked for, to be run or not; whether it is there is seen when somebody asks.
    pub(in crate::walk) fn was_found(&mut self, name: &[u8], runs: bool) {
        let counts = !self.state.dialect.hash_is_table || self.state.letter_is_on(b'h');
        if !counts || name.contains(&b'/') {
            return;
        }
        if !runs || !self.state.hashed.contains_key(name) {
            self.keep_found(name, None);
        }
        if let Some(program) = Rc::make_mut(&mut self.state.hashed).get_mut(name) {
            program.hits += u32::from(runs);
            program.is_stale = false;
        }
    }

    /// Puts a program into the table, where it keeps its place.
    fn keep_found(&mut self, name: &[u8], path: Option<Box<[u8]>>) {
        let hashed = Rc::make_mut(&mut self.state.hashed);
        let made = hashed.get(name).map_or(self.state.programs_found, |known| known.made);
        self.state.programs_found += 1;
        hashed.insert(name.into(), HashedProgram { path, made, ..HashedProgram::default() });
    }

    /// The path of a program of the table, if it is there.
    fn path_of_found(&self, name: &[u8]) -> Option<Vec<u8>> {
        match &self.state.hashed.get(name)?.path {
            Some(path) => Some(path.to_vec()),
            None => self.on_path(name),
        }
    }

    /// Tells all programs of the table.
    fn tell_found(&mut self, how: Told, call: &Call<'_>) {
        let as_calls = how == Told::AsCalls;
        let list = self.state.dialect.hash_list;
        let hashed = self.state.hashed.clone();
        let mut told: Vec<_> = hashed
            .iter()
            .filter_map(|(name, program)| Some((name, program, self.path_of_found(name)?)))
            .collect();
        told.sort_by_cached_key(|(name, program, _)| match list {
            HashList::Hits => (multiplied(name) % 256, usize::MAX - program.made, Vec::new()),
            HashList::Paths => (summed(name) % 31, program.made, Vec::new()),
            HashList::Pairs => (0, 0, name.to_vec()),
        });
        match told.is_empty() {
            _ if list != HashList::Hits || as_calls => {}
            false => self.print_bytes(b"hits\tcommand", call),
            true if !self.state.options.posix => {
                self.print_bytes(b"hash: hash table empty", call);
            }
            true => {}
        }
        for (name, program, path) in told {
            let stale: &[u8] = if program.is_stale { b"*" } else { b"" };
            let line = match list {
                HashList::Hits if as_calls => [b"builtin hash -p ", &path[..], b" ", name].concat(),
                HashList::Hits => [format!("{:4}\t", program.hits).as_bytes(), &path].concat(),
                HashList::Paths => [&path[..], stale].concat(),
                HashList::Pairs if as_calls => [b"hash ", &name[..], b"=", &path].concat(),
                HashList::Pairs => [&name[..], b"=", &path].concat(),
            };
            self.print_bytes(&line, call);
        }
    }

    /// Tells where a program was found, behind its name if there are others; answers whether that is known.
    fn tell_hashed(&mut self, call: &Call<'_>, name: &[u8], names_it: bool) -> bool {
        let Some(path) = self.path_of_found(name) else { return false };
        let line = match names_it {
            true => [name, b"\t", &path, b"\n"].concat(),
            false => [&path[..], b"\n"].concat(),
        };
        let origin = Origin::new(Rule::Output, call.span);
        self.write(Text::from_bytes(line, Standing::Quoted, origin));
        true
    }
}
