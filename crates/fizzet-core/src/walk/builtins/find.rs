//! `command`, `builtin`, `type`, `whence`: what a name stands for.

use bstr::ByteSlice;

use crate::dialect::{ProgramsTold, TellsNames, UtilityKind};
use crate::expand::Context;
use crate::expand::quoting::told;
use crate::host::FileKind;
use crate::kernel::path::candidates;
use crate::lineage::{Origin, Rule};
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::AliasCounts;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::options::Given;

/// `builtin name ...`: only what is built in counts.
pub(super) fn builtin(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let mut given = match dialect.precommand_words {
        true => call.without_options(),
        false => call.given(if dialect.builtin_only_asks { "dsf:" } else { "" }, false),
    };
    while dialect.precommand_words
        && given.operands.first().is_some_and(|word| word.bytes() == b"-")
    {
        given.operands = &given.operands[1..];
    }
    let is_known = |walker: &Walker, name: &Text| {
        let is_forgotten = walker.state.forgotten.iter().any(|one| **one == *name.bytes());
        dialect.utility(name.bytes()).is_some() && !is_forgotten
    };
    let status = match given.operands.first() {
        _ if given.unknown.is_some() => dialect.builtin_usage_status,
        None => return Ok(0),
        Some(_) if dialect.builtin_only_asks => {
            return Ok(Status::from(!given.operands.iter().all(|name| is_known(walker, name))));
        }
        Some(name) if is_known(walker, name) => return walker.builtin(given.operands, call.span),
        Some(_) => 1,
    };
    match dialect.builtin_mistakes_are_fatal {
        true => Err(walker.fatal(call, "a utility of the shell was expected")),
        false => Ok(walker.complain(call, status)),
    }
}

/// `command [-pvV] name ...`: functions do not count.
pub(super) fn command(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.command_letters, false);
    if given.unknown.is_some() {
        let status = walker.state.dialect.command_usage_status;
        return Ok(walker.complain(call, status));
    }
    if given.has(b'v') || given.has(b'V') {
        walker.in_default_path = given.has(b'p');
        let status = walker.tell_named(call, &given);
        walker.in_default_path = false;
        return status;
    }
    let Some(name) = given.operands.first() else { return Ok(0) };
    if walker.state.utility(name.bytes()).is_some() && !walker.state.dialect.command_is_for_programs
    {
        let hides = walker.state.dialect.command_hides_declarations
            && matches!(name.bytes(), b"typeset" | b"local");
        let status = match hides {
            true => walker.with_variables(|walker| walker.builtin(given.operands, call.span)),
            false => walker.builtin(given.operands, call.span),
        };
        return match status {
            // `command` keeps the mistakes of a special built-in from ending the shell.
            Err(Stop::Shell(mut error))
                if error.is_usage || walker.state.dialect.command_holds_mistakes =>
            {
                walker.tell_mistake(&mut error);
                Ok(error.spared_status.unwrap_or(error.status))
            }
            Err(Stop::Shell(error))
                if error.is_read_only && walker.state.dialect.is_declaration(name.bytes()) =>
            {
                match walker.state.dialect.command_holds_read_only {
                    Some(status) => Ok(walker.complain(call, status)),
                    None => Err(Stop::Shell(error)),
                }
            }
            Err(Stop::Syntax(error)) if walker.state.dialect.command_holds_mistakes => {
                let status = walker.state.dialect.eval_syntax_status;
                let message = error.to_string();
                walker.keep_mistake(ShellError::new(message, error.span, status, Reach::Command));
                Ok(status)
            }
            other => other,
        };
    }
    // A pretended world may have no programs at all.
    let knows_programs = || Context::host(walker).is_folder(b"/usr/bin");
    if given.has(b'p')
        && walker.found_in(Some(DEFAULT_PATH), name.bytes()).is_none()
        && knows_programs()
    {
        return Ok(127);
    }
    let mut argv = given.operands.to_vec();
    walker.name_otherwise(&mut argv, None);
    walker.in_default_path = given.has(b'p');
    let status = walker.external(argv, call.span);
    walker.in_default_path = false;
    status
}

/// Where `command -p` looks for programs (POSIX `getconf PATH`, as the shells here have it).
const DEFAULT_PATH: &[u8] = b"/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin";

/// What is told of names.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
enum Telling {
    /// What carries them out, as `command -v` tells it.
    Brief,
    /// The same in the shell's words.
    Words,
    /// Their programs, whatever carries them out, by their paths.
    Path,
    /// The same in the shell's words.
    Program,
}

/// `type name...`
pub(super) fn tell_type(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = &walker.state.dialect;
    if call.arguments().is_empty() {
        return Ok(dialect.type_nothing_status);
    }
    if dialect.type_options_shorten && call.bytes(1).is_some_and(|first| first.starts_with(b"-")) {
        return walker.tell(call, &call.arguments()[1..], Telling::Brief);
    }
    if dialect.type_letters.is_empty() {
        return walker.tell(call, call.without_options().operands, Telling::Words);
    }
    let given = call.given(dialect.type_letters, false);
    if given.operands.is_empty()
        && let Some(status) = dialect.whence_nothing_status
    {
        return Ok(walker.complain(call, status));
    }
    if given.unknown.is_some() {
        return match dialect.type_has_options {
            true => Ok(dialect.type_usage_status),
            false => walker.tell(call, call.without_options().operands, Telling::Words),
        };
    }
    if walker.state.dialect.whence_defines && (given.has(b'w') || given.has(b'f')) {
        return whence(walker, call);
    }
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
    if given.has(b'p') || given.has(b'P') {
        match walker.state.dialect.type_tells_programs {
            ProgramsTold::Paths => return walker.tell(call, given.operands, Telling::Path),
            ProgramsTold::InWords => return walker.tell(call, given.operands, Telling::Program),
            ProgramsTold::Unhidden => return Ok(walker.tell_paths(&given, call)),
            ProgramsTold::Never => {}
        }
    }
    if given.has(b'q') {
        let unknown = given.operands.iter().any(|name| walker.found(name.bytes()).is_none());
        return Ok(Status::from(unknown));
    }
    walker.tell(call, given.operands, Telling::Words)
}

/// `whence [-pvw] name...` of ksh93, mksh and zsh, and zsh's `which` and `where`.
pub(super) fn whence(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.whence_letters, false);
    if given.unknown.is_some() {
        return Ok(walker.state.dialect.whence_usage_status);
    }
    if given.operands.is_empty()
        && let Some(status) = walker.state.dialect.whence_nothing_status
    {
        return Ok(walker.complain(call, status));
    }
    let in_words = given.has(b'a') && walker.state.dialect.whence_a_tells_in_words;
    if given.has(b'v') || in_words {
        let telling = match walker.state.dialect.type_tells_programs {
            _ if !given.has(b'p') => Telling::Words,
            ProgramsTold::Paths => Telling::Path,
            _ => Telling::Program,
        };
        return walker.tell(call, given.operands, telling);
    }
    let utility = call.bytes(0).unwrap_or_default();
    let at_length = given.has(b'c') || matches!(utility, b"which" | b"where");
    let all = utility == b"where" || given.has(b'a');
    let defines = at_length || given.has(b'f');
    let mut unknown = false;
    for name in given.operands {
        if walker.state.dialect.whence_defines && (defines || all) && !given.has(b'p') {
            let meanings = walker.meanings(name.bytes(), all);
            unknown |= meanings.is_empty();
            if meanings.is_empty() && at_length {
                walker.print_bytes(&[name.bytes(), b" not found"].concat(), call);
            }
            for (kind, path) in meanings {
                walker.tell_meaning(name.bytes(), kind, &path, (at_length, defines), call);
            }
            continue;
        }
        let found = match given.has(b'p') {
            true => walker.on_path(name.bytes()).map(|path| ("file", path)),
            false => walker.found(name.bytes()),
        };
        let line = match found {
            Some((kind, _)) if given.has(b'w') => {
                let kind = match kind {
                    "file" => "command",
                    "keyword" => "reserved",
                    kind => kind,
                };
                let suffix = name.bytes().rsplit(|&byte| byte == b'.').next();
                let shown = suffix.filter(|_| kind == "suffix alias").unwrap_or(name.bytes());
                [shown, b": ", kind.as_bytes()].concat()
            }
            Some(("alias", _)) => walker.alias_text(name.bytes()),
            Some((_, path)) => path,
            None => {
                unknown = true;
                if given.has(b'w') {
                    walker.print_bytes(&[name.bytes(), b": none"].concat(), call);
                }
                continue;
            }
        };
        if !given.has(b'q') {
            walker.print_bytes(&line, call);
        }
    }
    Ok(Status::from(unknown))
}

impl Walker {
    /// `command -v name...` and `command -V name...`.
    fn tell_named(&mut self, call: &Call<'_>, given: &Given<'_>) -> Result<Status, Stop> {
        let briefly = given.has(b'v');
        let telling = if briefly { Telling::Brief } else { Telling::Words };
        let names = given.operands;
        let how = self.state.dialect.command_tells;
        if names.is_empty() {
            return Ok(self.state.dialect.command_nothing_status);
        }
        let is_known = |walker: &mut Self, name: &Text| walker.found(name.bytes()).is_some();
        let known = names.iter().take_while(|name| is_known(self, name)).count();
        match how {
            TellsNames::First => self.tell(call, &names[..1], telling),
            TellsNames::Stops if briefly && known < names.len() => {
                self.tell(call, &names[..=known], telling)
            }
            TellsNames::Any => {
                let status = self.tell(call, names, telling)?;
                let any = names.iter().any(|name| is_known(self, name));
                Ok(if any { 0 } else { status })
            }
            TellsNames::All | TellsNames::Stops => self.tell(call, names, telling),
        }
    }

    /// Tells what names stand for; the status says whether all of them are known.
    fn tell(&mut self, call: &Call<'_>, names: &[Text], how: Telling) -> Result<Status, Stop> {
        let mut unknown = false;
        let briefly = matches!(how, Telling::Brief | Telling::Path);
        for name in names {
            let found = match how {
                Telling::Brief | Telling::Words => self.found(name.bytes()),
                Telling::Path | Telling::Program => {
                    self.on_path(name.bytes()).map(|path| ("file", path))
                }
            };
            match found {
                Some((_, path)) if briefly => self.print_bytes(&path, call),
                Some((kind, path)) => self.tell_kind(name.bytes(), kind, &path, call),
                None => {
                    unknown = true;
                    match self.state.dialect.type_words.unknown {
                        _ if briefly => {}
                        Some(words) => {
                            self.print_bytes(&[name.bytes(), words.as_bytes()].concat(), call);
                        }
                        None => self.message_hole(call.span),
                    }
                }
            }
        }
        Ok(if unknown { self.state.dialect.unknown_name_status } else { 0 })
    }

    /// The paths of programs; with `-p` nothing of a name that something else carries out.
    fn tell_paths(&mut self, given: &Given<'_>, call: &Call<'_>) -> Status {
        let mut status = 0;
        for name in given.operands {
            let found = self.found(name.bytes());
            let path = match (&found, given.has(b'P')) {
                (Some((kind, _)), false) if *kind != "file" => continue,
                _ => self.on_path(name.bytes()),
            };
            match path {
                Some(path) => self.print_bytes(&path, call),
                None => status = self.state.dialect.unknown_name_status,
            }
        }
        status
    }

    /// Tells in the shell's words what a name stands for.
    fn tell_kind(&mut self, name: &[u8], kind: &str, path: &[u8], call: &Call<'_>) {
        let words = self.state.dialect.type_words;
        let special = matches!(self.state.dialect.utility(name), Some(UtilityKind::Special));
        let dialect = &self.state.dialect;
        let is_keyword = dialect.declarations_are_keywords && dialect.is_declaration(name);
        let behind = match kind {
            "alias" => {
                let text = self.alias_text(name);
                [words.alias.as_bytes(), &text, words.alias_end.as_bytes()].concat()
            }
            "keyword" => words.keyword.into(),
            "builtin" if is_keyword => words.keyword.into(),
            "builtin" if special => words.special.into(),
            "builtin" => words.builtin.into(),
            "function" => {
                let from = words.function.ends_with(' ').then(|| self.function_is_from(name));
                [words.function.as_bytes(), &from.unwrap_or_default()].concat()
            }
            "suffix alias" => {
                let suffix = name.rsplit(|&byte| byte == b'.').next().unwrap_or_default();
                let line = [suffix, b" is a suffix alias for ", path].concat();
                return self.print_bytes(&line, call);
            }
            _ if name.contains(&b'/') => [b" is ", path].concat(),
            _ if let Some((before, behind)) = words.hashed
                && self.state.hashed.contains_key(name) =>
            {
                [before.as_bytes(), path, behind.as_bytes()].concat()
            }
            _ => [words.file.as_bytes(), path].concat(),
        };
        self.print_bytes(&[name, &behind].concat(), call);
        if kind == "file" && self.state.dialect.telling_finds_programs {
            self.was_found(name, false);
        }
        if kind == "function" && self.state.dialect.type_defines_functions {
            self.define(name, call);
        }
    }

    /// What carries a name out, or all that could, each with its kind and how `whence` tells it.
    fn meanings(&mut self, name: &[u8], all: bool) -> Vec<(&'static str, Vec<u8>)> {
        let Some(first) = self.found(name) else { return Vec::new() };
        if !all {
            return vec![first];
        }
        let mut meanings = vec![first];
        let is_function = self.state.functions.contains_key(name);
        let is_builtin = self.state.utility(name).is_some();
        let others = [("function", is_function), ("builtin", is_builtin)];
        for (kind, _) in others.into_iter().filter(|(_, is)| *is) {
            if meanings.iter().all(|(known, _)| *known != kind) {
                meanings.push((kind, name.to_vec()));
            }
        }
        let host = Context::host(self);
        let runs = |path: &Vec<u8>| {
            host.status(path, true)
                .is_some_and(|status| status.kind != FileKind::Folder && status.access[2])
        };
        meanings.retain(|(kind, _)| *kind != "file");
        let paths = candidates(name, self.state.search_path().as_deref()).into_iter().filter(runs);
        meanings.extend(paths.map(|path| ("file", path)));
        meanings
    }

    /// One meaning of a name as `which` and `whence -f` tell it.
    fn tell_meaning(
        &mut self,
        name: &[u8],
        kind: &str,
        path: &[u8],
        (at_length, defines): (bool, bool),
        call: &Call<'_>,
    ) {
        let behind: &[u8] = match kind {
            "function" if defines => return self.define(name, call),
            "alias" if at_length => &[b": aliased to ", &self.alias_text(name)[..]].concat(),
            "alias" => return self.print_bytes(&self.alias_text(name), call),
            "keyword" if at_length => b": shell reserved word",
            "builtin" if at_length => b": shell built-in command",
            _ => return self.print_bytes(path, call),
        };
        self.print_bytes(&[name, behind].concat(), call);
    }

    /// The text of an alias, quoted where the shell tells it so.
    fn alias_text(&self, name: &[u8]) -> Vec<u8> {
        let text = self.state.aliases.get(name).map(|alias| alias.text.to_vec());
        let text = text.unwrap_or_default();
        match self.state.dialect.type_words.alias_quoted {
            true => told(&self.state.dialect, &text),
            false => text,
        }
    }

    /// What carries a name out, in the words of `type -t`, and how `command -v` tells it.
    fn found(&mut self, name: &[u8]) -> Option<(&'static str, Vec<u8>)> {
        if let Some(alias) =
            self.state.aliases_count().then(|| self.state.aliases.get(name)).flatten()
        {
            let text = told(&self.state.dialect, &alias.text);
            let told = match self.state.dialect.command_tells_alias_alone {
                true => text,
                false => [b"alias ", name, b"=", &text].concat(),
            };
            return Some(("alias", told));
        }
        let mut reserved = self.state.dialect.reserved_words.iter();
        if reserved.any(|word| word.as_bytes() == name) {
            return Some(("keyword", name.to_vec()));
        }
        if self.state.functions.contains_key(name) {
            return Some(("function", name.to_vec()));
        }
        if self.state.utility(name).is_some() {
            return Some(("builtin", name.to_vec()));
        }
        if let Some((_, suffix)) = name.rsplit_once_str(".")
            && let kept = AliasCounts::BeforeSuffix.kept_name(suffix)
            && let Some(alias) = self.state.aliases.get(&*kept)
        {
            return Some(("suffix alias", alias.text.to_vec()));
        }
        self.on_path(name).map(|path| ("file", path))
    }

    /// Where PATH finds a program.
    pub(in crate::walk) fn on_path(&self, name: &[u8]) -> Option<Vec<u8>> {
        match self.in_default_path {
            true => self.found_in(Some(DEFAULT_PATH), name),
            false => self.found_in(self.state.search_path().as_deref(), name),
        }
    }

    pub(in crate::walk) fn found_in(&self, path: Option<&[u8]>, name: &[u8]) -> Option<Vec<u8>> {
        let host = Context::host(self);
        let runs = |path: &Vec<u8>| {
            host.status(path, true)
                .is_some_and(|status| status.kind != FileKind::Folder && status.access[2])
        };
        candidates(name, path).into_iter().find(runs)
    }

    pub(super) fn print_bytes(&mut self, bytes: &[u8], call: &Call<'_>) {
        let origin = Origin::new(Rule::Output, call.span);
        let mut text = Text::from_bytes(bytes, Standing::Quoted, origin.clone());
        text.push(b"\n", Standing::Quoted, &origin);
        self.write(text);
    }
}
