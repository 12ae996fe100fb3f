//! Programs: what is known of them, and running them where that is allowed.

use std::rc::Rc;

use crate::dialect::is_known_elsewhere;
use crate::expand::Context;
use crate::host::{Answer, Executables, FileKind, Messages, Ran, Run};
use crate::kernel::Launch;
use crate::kernel::chain::{Caller, Request, launch};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::text::{Standing, Text};
use crate::trace::{CommandKind, CommandTrace};
use crate::walk::Walker;
use crate::walk::descriptors::Output;

/// The status of a command that is found nowhere (POSIX XCU 2.8.2).
const NOT_FOUND: u8 = 127;
/// The status of a file that is found and cannot be executed.
const NOT_EXECUTABLE: u8 = 126;

impl Walker {
    /// A program that a built-in utility starts; answers its status.
    pub(super) fn external(&mut self, argv: Vec<Text>, span: Span) -> Result<Status, Stop> {
        let argv = Rc::new(argv);
        let absent = self.is_absent(&argv);
        let way = if absent { None } else { self.way(&argv) };
        self.announce(CommandTrace {
            argv: argv.clone(),
            sought: self.sought.clone(),
            kind: CommandKind::External,
            absent,
            span,
            assignments: Vec::new(),
            redirections: Vec::new(),
            words: Vec::new(),
            way,
        })?;
        self.program(&argv, span)
    }

    /// The way of a program into the kernel, where it is followed and the vector is known.
    pub(super) fn way(&mut self, argv: &[Text]) -> Option<Box<Launch>> {
        let follows = self.state.follows.filter(|_| !argv.iter().any(Text::has_hole))?;
        let path = self.sought(argv)?.bytes().to_vec();
        let host = Context::host(self);
        let here = self.state.entered.bytes();
        let from_root = self.state.dialect.path_entries.from_root;
        let whole = |entry: &[u8]| match entry {
            [] | [b'/', ..] => entry.to_vec(),
            entry => [here, b"/", entry].concat(),
        };
        let search = self.state.search_path().map(|path| match from_root {
            true => path.split(|&byte| byte == b':').map(whole).collect::<Vec<_>>().join(&b':'),
            false => path.into_owned(),
        });
        let string = |(name, value): (Vec<u8>, Vec<u8>)| [name, b"=".to_vec(), value].concat();
        let environment = self.environment(&path).into_iter().map(string).collect();
        let request = Request {
            path,
            argv: argv.to_vec(),
            search,
            environment,
            caller: Caller::Shell(self.state.dialect.unknown_files),
            stack: Some(follows.stack),
            through: follows.through,
        };
        let sources = &mut self.state.sources;
        Some(Box::new(launch(&Executables(&*host), sources, request)))
    }

    /// What is known of a program that would run here: its output goes where output goes, and its
    /// status is answered. A status that nobody knows is taken as 0.
    pub(super) fn program(&mut self, argv: &Rc<Vec<Text>>, span: Span) -> Result<Status, Stop> {
        if self.sought(argv).is_some_and(|name| name.is_empty() && !name.has_hole()) {
            self.message_hole(span);
            return Ok(self.state.dialect.empty_name_status);
        }
        if let Some(name) = argv.first() {
            self.was_found(name.bytes(), true);
        }
        let is_folder = |name: &Text| matches!(name.bytes(), b"." | b"..") && !name.has_hole();
        if self.state.dialect.folders_are_found && self.sought(argv).is_some_and(is_folder) {
            self.message_hole(span);
            return Ok(NOT_EXECUTABLE.into());
        }
        let is_absent = self.is_absent(argv);
        let answer = match is_absent {
            true => Answer { output: Some(Vec::new()), status: Some(NOT_FOUND) },
            false => self.answer(argv),
        };
        if answer.status == Some(NOT_FOUND)
            && let Some(status) = self.handled(argv, span)?
        {
            return Ok(status);
        }
        self.state.jobs.make_room(self.state.dialect.waited_jobs);
        self.reap_coprocesses();
        self.write_unknown_beside(argv, span);
        // That nothing was found is what the shell itself says.
        if answer.status == Some(NOT_FOUND) {
            self.message_hole(span);
        }
        if answer == Answer::default()
            && let Some(status) = self.run(argv, span)?
        {
            self.guessed = false;
            return Ok(status);
        }
        match answer.output {
            Some(bytes) => {
                let origin = Origin::new(Rule::Output, span);
                self.write(Text::from_bytes(bytes, Standing::Quoted, origin));
            }
            None => {
                let origin = Origin::new(Rule::Output, span);
                let name = self.hole_name();
                let writes = |output: Option<&Output>| {
                    output.is_some_and(|one| one.push_hole(name, &origin))
                };
                let descriptors = &self.descriptors;
                if writes(descriptors.output(1)) | writes(descriptors.output(2)) {
                    self.unanswered.insert(span, argv.clone());
                }
            }
        }
        let is_open = matches!(answer.status, None | Some(NOT_FOUND));
        if is_open && self.cannot_be_executed(argv) {
            self.message_hole(span);
            self.guessed = false;
            return Ok(NOT_EXECUTABLE.into());
        }
        self.guessed = answer.status.is_none();
        Ok(answer.status.map_or(0, Status::from))
    }

    /// Calls the function for commands that are not found; `None` if there is none.
    fn handled(&mut self, argv: &Rc<Vec<Text>>, span: Span) -> Result<Option<Status>, Stop> {
        let Some(handler) = self.state.dialect.not_found_function else { return Ok(None) };
        if self.takes_place && !handler.by_exec {
            return Ok(None);
        }
        let Some(function) = self.state.functions.get(handler.name.as_bytes()).cloned() else {
            return Ok(None);
        };
        let Some(name) = argv.first().filter(|name| !name.bytes().contains(&b'/')) else {
            return Ok(None);
        };
        let zero = match handler.keeps_zero {
            true => name.clone(),
            false => self.state.shell_text(handler.name.as_bytes()),
        };
        let passed = if handler.only_asks { 1 } else { argv.len() };
        let called: Vec<Text> = [zero].into_iter().chain(argv[..passed].iter().cloned()).collect();
        if !handler.only_asks {
            self.subshell(|walker| walker.call(&function, &called, span))?;
            return Ok(Some(self.state.status));
        }
        match self.call(&function, &called, span) {
            Ok(()) | Err(Stop::Exit(_) | Stop::Return(_)) => Ok(Some(NOT_FOUND.into())),
            Err(stop) => Err(stop),
        }
    }

    /// Whether a path names a folder, or a file that nobody may execute.
    fn cannot_be_executed(&self, argv: &[Text]) -> bool {
        let is_path = |name: &&Text| !name.has_hole() && name.bytes().contains(&b'/');
        let Some(path) = self.sought(argv).filter(is_path) else { return false };
        let status = Context::host(self).status(path.bytes(), true);
        status.is_some_and(|one| one.kind == FileKind::Folder || !one.access[2])
    }

    /// Runs a program, if that is allowed and all that it receives is known; answers its status.
    fn run(&mut self, argv: &[Text], span: Span) -> Result<Option<Status>, Stop> {
        let host = Context::host(self);
        let input = self.descriptors.input(0);
        self.feed(&input)?;
        if host.may_run() && input.waits_for_shell() {
            return Err(Stop::Waits);
        }
        if !host.may_run() || argv.iter().any(Text::has_hole) || input.is_unknown() {
            return Ok(None);
        }
        let Some(name) = self.sought(argv).map(|name| name.bytes().to_vec()) else {
            return Ok(None);
        };
        let Some(path) = self.on_path(&name) else {
            let there = name.contains(&b'/') && host.exists(&name);
            let status = Status::from(if there { NOT_EXECUTABLE } else { NOT_FOUND });
            let why = if there { "cannot be executed" } else { "is no program on PATH" };
            self.refuse_program(&name, why, span, status);
            return Ok(Some(status));
        };
        let messages = match (self.descriptors.output(1), self.descriptors.output(2)) {
            (Some(output), Some(messages)) if output.is_same(messages) => Messages::WithOutput,
            (_, Some(Output::Messages)) => Messages::Shown,
            _ => Messages::Kept,
        };
        let rest = input.rest();
        let vector: Vec<&[u8]> = argv.iter().map(Text::bytes).collect();
        let limit = self.state.limits.bytes;
        let open = self.open_beside(argv);
        let from_root = self.state.dialect.path_entries.from_root && !name.contains(&b'/');
        let path = match from_root && path.contains(&b'/') && !path.starts_with(b"/") {
            true => [self.state.entered.bytes(), b"/", &path].concat(),
            false => path,
        };
        let environment = self.environment(&path);
        let progress = self.progress.clone().unwrap_or_default();
        let run = Run {
            path: &path,
            argv: &vector,
            environment: environment.iter().map(|(name, value)| (&name[..], &value[..])).collect(),
            folder: b".",
            input: rest.as_ref().map(Text::bytes),
            open,
            messages,
            limit,
        };
        match progress.once(|| host.run(&run)) {
            None => Ok(None),
            Some(Ran::Endless { output }) => {
                self.write(Text::from_bytes(
                    output,
                    Standing::Quoted,
                    Origin::new(Rule::Output, span),
                ));
                Err(Stop::flood(limit, span))
            }
            Some(Ran::Refused { why, status }) => {
                input.leave(rest.as_ref().map_or(0, Text::len));
                self.refuse_program(&name, &why, span, Status::from(status));
                Ok(Some(Status::from(status)))
            }
            Some(Ran::Ended { output, messages, status, killed, unread, open_unread }) => {
                input.leave(unread);
                if input.overflows() && !self.descriptors.output(1).is_some_and(Output::is_piped) {
                    return Err(Stop::flood(limit, span));
                }
                self.leave_beside(argv, &open_unread);
                let text = |bytes: Vec<u8>| {
                    Text::from_bytes(bytes, Standing::Quoted, Origin::new(Rule::Output, span))
                };
                if !output.is_empty() {
                    self.write(text(output));
                }
                if !messages.is_empty() {
                    self.write_to(2, text(messages));
                }
                let signal = if killed { self.state.dialect.signal_status } else { 0 };
                Ok(Some(signal + Status::from(status)))
            }
        }
    }

    fn refuse_program(&mut self, name: &[u8], why: &str, span: Span, status: Status) {
        let message = format!("{} {why}", String::from_utf8_lossy(name));
        self.message_hole(span);
        self.keep_mistake(ShellError::new(message, span, status, Reach::Command));
    }

    /// What the host knows of a program.
    fn answer(&self, argv: &[Text]) -> Answer {
        let mut vector: Vec<&[u8]> = argv.iter().map(Text::bytes).collect();
        if let (Some(name), Some(first)) = (&self.sought, vector.first_mut()) {
            *first = name.bytes();
        }
        Context::host(self).answer(&vector)
    }

    /// The name under which the program of a vector is looked for.
    pub(super) fn sought<'a>(&'a self, argv: &'a [Text]) -> Option<&'a Text> {
        self.sought.as_ref().or(argv.first())
    }

    /// Whether no program has a name: one that only other shells carry out themselves, or that of a program which
    /// could be found before PATH was changed.
    pub(super) fn is_absent(&self, argv: &[Text]) -> bool {
        self.sought(argv).is_some_and(|name| {
            let is_lost = self.was_on_path(name.bytes());
            (is_lost || is_known_elsewhere(name.bytes()))
                && self.on_path(name.bytes()).is_none()
                && (is_lost || self.answer(argv) == Answer::default())
        })
    }

    /// Whether a program could be found at the start, and PATH is another now.
    fn was_on_path(&self, name: &[u8]) -> bool {
        let now = self.state.variables.scalar(b"PATH").map(Text::bytes);
        let first = self.first_path.as_ref().map(Text::bytes);
        first != now && first.is_some_and(|first| self.found_in(Some(first), name).is_some())
    }
}
