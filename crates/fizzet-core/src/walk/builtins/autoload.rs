//! `autoload` of zsh 5.9 (zshbuiltins; zshmisc, "Autoloading Functions"): functions whose definitions are read
//! from files in the folders of `fpath` when they are called first.

use std::rc::Rc;

use crate::expand::Context;
use crate::host::join;
use crate::source::{SourceKind, Span};
use crate::state::Function;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{Command, CommandKind, List};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::process::unpredictable;
use crate::walk::builtins::variables::declare_as;

/// The body of a function that has not been read yet.
const UNREAD: &[u8] = b"builtin autoload -X";
/// The letters that are told with it, in their order.
const TOLD_LETTERS: &[u8] = b"UtTkz";

/// `autoload [-UkrRtTz] name...`, `autoload +X name...`, and `autoload -X` in a function that is to be read.
pub(super) fn autoload(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    if !walker.state.dialect.reads_functions {
        return declare_as(walker, call);
    }
    let given = call.given("dkmrRtTUwXz", true);
    if given.unknown.is_some() {
        return Ok(1);
    }
    let with_aliases = !given.has(b'U');
    if given.has(b'X') {
        return match walker.state.doing.calls.last().map(|call| call.name.clone()) {
            Some(name) => walker.read_and_call(&name, with_aliases, call),
            None => Ok(1),
        };
    }
    if given.operands.is_empty() || given.has(b'm') || given.has(b'w') {
        return unpredictable(walker, call);
    }
    let mut status = 0;
    for operand in given.operands {
        let told = TOLD_LETTERS.iter().copied().filter(|&letter| given.has(letter));
        walker.announce_function(operand, &told.collect::<Vec<u8>>())?;
        if given.takes_back(b'X') {
            let name = name_of(operand.bytes()).to_vec();
            status |= Status::from(!walker.read_function(&name, with_aliases, call)?);
        }
    }
    Ok(status)
}

/// The name of the function that a path to its file means.
fn name_of(path: &[u8]) -> &[u8] {
    match path.first() {
        Some(b'/') => path.rsplit(|&byte| byte == b'/').next().unwrap_or_default(),
        _ => path,
    }
}

impl Walker {
    /// Defines a function that is read when it is called, unless there is one of this name.
    pub(super) fn announce_function(&mut self, operand: &Text, letters: &[u8]) -> Result<(), Stop> {
        let name = name_of(operand.bytes());
        if name.len() < operand.len() {
            self.state.function_files.insert(name.into(), operand.bytes().into());
        }
        if self.state.functions.contains_key(name) {
            return Ok(());
        }
        let body = [UNREAD, letters].concat();
        let source = self.state.sources.built("autoload", &body);
        let dialect = self.state.dialect.clone();
        let list = Parser::new(&body, source, &dialect).all_commands()?;
        self.define_as(name, list, Span::new(source, 0, body.len()));
        Ok(())
    }

    /// Defines a function whose body is a list of commands.
    pub(in crate::walk) fn define_as(&mut self, name: &[u8], list: List, span: Span) {
        let body = Command { kind: CommandKind::Group(list), redirects: Vec::new(), span };
        self.state.functions.insert(name.into(), Function::new(Rc::new(body), false, span));
    }

    /// Reads the definition of a function from its file; false where there is none.
    fn read_function(
        &mut self,
        name: &[u8],
        with_aliases: bool,
        call: &Call<'_>,
    ) -> Result<bool, Stop> {
        let host = Context::host(self);
        let limit = self.state.limits.bytes;
        let paths = match self.state.function_files.get(name) {
            Some(path) => vec![path.to_vec()],
            None => {
                let folders = self.state.variables.values(b"fpath");
                folders.iter().map(|folder| join(folder.bytes(), name)).collect()
            }
        };
        let read = |path: &Vec<u8>| Some((path.clone(), host.read(path, limit)?));
        let Some((path, bytes)) = paths.iter().find_map(read) else {
            let message = format!("no file defines {}", String::from_utf8_lossy(name));
            self.keep_mistake(ShellError::new(message, call.span, 1, Reach::Command));
            return Ok(false);
        };
        let source = self.state.sources.add(SourceKind::File(path.into()), &bytes);
        let dialect = self.state.dialect.clone();
        let mut parser = Parser::new(&bytes, source, &dialect);
        if with_aliases {
            self.prepare(&mut parser);
        }
        let list = match parser.all_commands() {
            Ok(list) => list,
            Err(error) => {
                self.keep_mistake(ShellError::new(
                    error.to_string(),
                    error.span,
                    1,
                    Reach::Command,
                ));
                return Ok(false);
            }
        };
        match only_definition(&list, name) {
            Some((body, keyword)) => {
                let span = body.span;
                self.state.functions.insert(name.into(), Function::new(body, keyword, span));
            }
            None => self.define_as(name, list, Span::new(source, 0, bytes.len())),
        }
        Ok(true)
    }

    /// Reads the function that is being called and calls it with the same arguments.
    fn read_and_call(
        &mut self,
        name: &Text,
        with_aliases: bool,
        call: &Call<'_>,
    ) -> Result<Status, Stop> {
        if !self.read_function(name.bytes(), with_aliases, call)? {
            return Ok(1);
        }
        let Some(function) = self.state.functions.get(name.bytes()).cloned() else { return Ok(1) };
        let mut argv = vec![name.clone()];
        argv.extend(self.state.positional.all().iter().cloned());
        self.call(&function, &argv, call.span)?;
        Ok(self.state.status)
    }
}

/// The body of the function that a file defines, if it holds nothing but that, and whether it is written with
/// `function`.
fn only_definition(list: &List, name: &[u8]) -> Option<(Rc<Command>, bool)> {
    let [item] = &list.items[..] else { return None };
    let ([command], []) = (&item.first.commands[..], &item.rest[..]) else { return None };
    let CommandKind::Function { names, body, keyword, .. } = &command.kind else { return None };
    let [defined] = &names[..] else { return None };
    (**defined == *name).then(|| (body.clone(), *keyword))
}
