//! `exec`, `trap`, `umask`, `ulimit`, `wait`, `times` and others that deal with the process.

use std::rc::Rc;

use crate::dialect::{FileParameters, JobNames, LooksHere, utility_names};
use crate::expand::Context;
use crate::kernel::path::candidates;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::text::{Standing, Text};
use crate::trace::CommandKind;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;
use crate::walk::descriptors::Descriptors;
use crate::walk::{Cause, Walker};

/// `exec [command [arguments]]`: the program takes the place of the shell.
pub(super) fn exec(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = match dialect.exec_letters {
        None => call.without_options(),
        Some(letters) => call.given(letters, false),
    };
    if given.unknown.is_some() {
        return match dialect.exec_option_is_fatal {
            true => Err(walker.fatal_option(call)),
            false => Ok(walker.complain(call, 2)),
        };
    }
    let mut argv = given.operands.to_vec();
    if argv.is_empty() {
        return match given.has(b'a') && dialect.exec_name_needs_command {
            true => Err(walker.fatal(call, "a command was expected")),
            false => Ok(0),
        };
    }
    let mut dash = None;
    if dialect.dash_marks_login && argv.len() > 1 && argv[0].bytes() == b"-" {
        dash = Some(argv.remove(0));
    }
    let marked = given.has(b'l');
    if marked {
        dash = Some(walker.state.shell_text(b"-"));
    }
    let name = given.value(b'a').cloned();
    match name.clone() {
        Some(mut zero) => {
            if marked && dialect.exec_dash_before_given_name {
                let mut dashed = walker.state.shell_text(b"-");
                dashed.push_text(&zero);
                zero = dashed;
            }
            let command = std::mem::replace(&mut argv[0], zero);
            let seeks_given = dialect.exec_seeks_given_name && !command.bytes().contains(&b'/');
            walker.sought = (!seeks_given).then_some(command);
        }
        None => walker.name_otherwise(&mut argv, dash),
    }
    if name.is_none() && walker.state.dialect.exec_runs_builtins {
        let kind = match argv[0].bytes() {
            name if walker.state.functions.contains_key(name) => {
                walker.state.dialect.exec_runs_functions.then_some(CommandKind::Function)
            }
            name => walker.state.utility(name).map(|_| CommandKind::Builtin),
        };
        if let Some(kind) = kind {
            walker.carry_out(&Rc::new(argv), kind, call.span)?;
            if walker.state.dialect.exec_forgets_exit_action {
                walker.state.traps.remove(&b"EXIT"[..]);
            }
            return Err(Stop::Exit(walker.state.status));
        }
    }
    walker.seek_from_root(&argv);
    let sought = walker.sought(&argv).filter(|name| !name.has_hole()).map(Text::bytes);
    let is_folder = match sought {
        Some(b"") => walker.state.dialect.exec_finds_empty_name,
        name => matches!(name, Some(b"." | b"..")),
    };
    walker.bare_environment = given.has(b'c');
    walker.takes_place = true;
    let status = walker.external(argv, call.span);
    (walker.bare_environment, walker.takes_place) = (false, false);
    let status = match status? {
        127 if is_folder => 126,
        status => status,
    };
    walker.sought = None;
    let fails = matches!(status, 126 | 127) && !walker.guessed;
    if fails && walker.state.options.survives_exec {
        return Ok(status);
    }
    if !(fails && walker.state.dialect.failed_exec_acts) {
        walker.state.traps.remove(&b"EXIT"[..]);
    }
    Err(Stop::Exit(status))
}

/// Utilities whose output nobody can tell beforehand, and whose status is 0.
pub(super) fn unpredictable(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    walker.write_hole(call.span);
    Ok(0)
}

/// `times`
pub(super) fn times(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    if dialect.times_reads_options && call.given("", false).unknown.is_some() {
        return Ok(dialect.option_usage_status);
    }
    match dialect.times_operand_end.filter(|_| !call.arguments().is_empty()) {
        // That of the shell and that of what it has started.
        None => Ok(unknown_lines(walker, call, 2)),
        Some(Reach::Command) => Ok(1),
        Some(_) => Err(walker.fatal_use(call, "too many arguments")),
    }
}

/// `help [topic]...`: what it says is not known, but whether there is something to say.
pub(super) fn help(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("dms", false);
    if given.unknown.is_some() {
        return Ok(walker.complain(call, 2));
    }
    let shell = walker.state.dialect.shell;
    let reserved = walker.state.dialect.reserved_words;
    let is_topic = |topic: &[u8]| {
        let mut topics = utility_names(shell).chain(reserved.iter().copied());
        topics.any(|name| name.as_bytes().starts_with(topic))
    };
    let names = given.operands;
    let says_all = names.is_empty() || !walker.state.dialect.help_knows_topics;
    if !says_all && !names.iter().any(|topic| is_topic(topic.bytes())) {
        return Ok(walker.complain(call, 1));
    }
    Ok(unknown_lines(walker, call, 1))
}

/// Writes so many lines of which nobody knows what is on them.
fn unknown_lines(walker: &mut Walker, call: &Call<'_>, count: usize) -> Status {
    let origin = Origin::new(Rule::Output, call.span);
    let mut lines = Text::new();
    for _ in 0..count {
        lines.push_hole(Standing::Quoted, &origin);
        lines.push(b"\n", Standing::Quoted, &origin);
    }
    Status::from(!walker.write(lines))
}

/// `. file [arguments]`: commands of a file, carried out here.
///
/// Its action for RETURN is carried out behind it even where there is no such file (bash 5.2, source_file).
pub(super) fn dot(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let at = walker.state.doing.at;
    let outcome = carried_out_file(walker, call);
    if outcome.is_ok() && walker.has_action("RETURN") && !call.arguments().is_empty() {
        walker.state.doing.at = at;
        let status = std::mem::replace(&mut walker.state.status, outcome?);
        walker.act("RETURN")?;
        return Ok(std::mem::replace(&mut walker.state.status, status));
    }
    outcome
}

/// The commands of a file, here.
fn carried_out_file(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let spared = call.bytes(0) == Some(b"source") && dialect.source_failure_is_no_end;
    let given = match dialect.dot_option_status {
        Some(_) => call.given("", false),
        None => call.without_dashes(),
    };
    if given.unknown.is_some()
        && let Some(status) = dialect.dot_option_status
    {
        return match dialect.dot_option_is_fatal && !spared {
            true => Err(walker.fatal_with(call, "an option is not known", status)),
            false => Ok(walker.complain(call, status)),
        };
    }
    let Some((file, arguments)) = given.operands.split_first() else {
        return match walker.state.dialect.no_file_status {
            Some(status) if status == 0 => Ok(status),
            Some(status) => Ok(walker.complain(call, status)),
            None => Err(walker.fatal_use(call, "a file was expected")),
        };
    };
    let limit = walker.state.limits.bytes;
    let printed = walker.printed_beside(file).filter(|text| !text.has_hole());
    let known = printed.or_else(|| match file.has_hole() {
        true => walker.written.text_of(&walker.state.folder, file).filter(|text| !text.has_hole()),
        false => walker.left_in_descriptor(file.bytes()),
    });
    let read = match known {
        Some(text) => Some(text.bytes().to_vec()),
        None if file.has_hole() => {
            walker.missing("what this file holds", call.span);
            return Ok(0);
        }
        None => walker.sourced_file(file.bytes(), call.bytes(0) == Some(b"source"), limit),
    };
    let Some(bytes) = read else {
        return match dialect.dot_failure_is_fatal && !spared {
            true => {
                let status = dialect.dot_failure_status;
                Err(walker.fatal_with(call, "the file cannot be read", status))
            }
            false
                if dialect.told_mistakes_end_shells
                    && walker.state.options.exit_on_error
                    && walker.testing == 0 =>
            {
                // The status stays as it is, unless it is 0.
                let status = Some(walker.state.status).filter(|&before| before != 0);
                let status = status.unwrap_or(dialect.dot_failure_status);
                Err(Stop::error("the file cannot be read", call.span, status, Reach::Shell))
            }
            false => Ok(walker.complain(call, dialect.dot_failure_status)),
        };
    };
    if bytes.len() > limit {
        let (what, limit) = ("bytes in one file", limit as u64);
        return Err(Stop::Limit { what, limit, span: call.span });
    }
    let bytes = match dialect.dot_nuls.left(bytes) {
        Ok(bytes) => bytes,
        Err(status) => return Ok(walker.complain(call, status)),
    };
    let outer = (!arguments.is_empty() && walker.state.dialect.dot_takes_arguments)
        .then(|| walker.state.positional.share());
    if outer.is_some() {
        let before = walker.state.positional.share();
        walker.state.positional.set(arguments.to_vec());
        walker.tell_change(Cause::Source, &before, call.span)?;
    }
    let dialect = walker.state.dialect.clone();
    let source = walker.state.sources.built(".", &bytes);
    walker.sourced += 1;
    let before = (walker.state.steps, walker.mistakes.len());
    let zero = dialect.dot_sets_zero.then(|| walker.state.positional.zero.clone());
    if zero.is_some() {
        walker.state.positional.zero = Rc::new(file.clone());
    }
    let names_files = walker.state.dialect.files_are_calls;
    if names_files {
        let from = walker.state.doing.at.unwrap_or(call.span);
        walker.state.sources.set_path(source, file.bytes());
        let name = walker.state.shell_text(b"source");
        let body = Span::new(source, 0, 0);
        walker.state.doing.calls.push(crate::state::Call {
            name,
            source,
            from,
            body,
            is_file: true,
        });
        match &outer {
            // The name of a file counts as its argument.
            None => {
                walker.state.keep_arguments();
                walker.state.doing.arguments.push(std::slice::from_ref(file));
            }
            Some(_) if walker.state.options.debugger => {
                walker.state.doing.arguments.push(walker.state.positional.all());
            }
            Some(_) => {}
        }
    }
    let hides = !dialect.dot_is_inside_loops;
    let loops = if hides { std::mem::take(&mut walker.loops) } else { walker.loops };
    let not_asked = dialect.files_are_not_asked;
    let testing = if not_asked { std::mem::take(&mut walker.testing) } else { walker.testing };
    walker.parameters_replaced = false;
    let aside = walker.set_debugging_aside();
    let outcome = walker.deeper_source(source, call.span);
    walker.debugging_comes_back(aside);
    walker.testing = testing;
    walker.loops = loops;
    if names_files {
        walker.state.doing.calls.pop();
        if outer.is_none() || walker.state.options.debugger {
            walker.state.doing.arguments.pop();
        }
    }
    walker.sourced -= 1;
    if let Some(zero) = zero {
        walker.state.positional.zero = zero;
    }
    if outcome.is_ok() && before == (walker.state.steps, walker.mistakes.len()) {
        // A file without commands.
        walker.state.status = 0;
    }
    match outcome {
        Err(Stop::Return(status)) => walker.state.status = status,
        Err(stop @ Stop::Exit(_)) => {
            if let Some(outer) = outer.filter(|_| !walker.exit_keeps_file_parameters()) {
                walker.state.positional = outer;
            }
            return Err(stop);
        }
        Err(Stop::Shell(error))
            if dialect.file_holds.holds(error.is_usage)
                && !error.exits
                && !walker.mistakes_go_through() =>
        {
            let status = dialect.file_mistake_status.unwrap_or(error.status);
            walker.survive(ShellError { status, ..error });
            // Where one action for ERR is enough, the mistake has been in the place of it.
            walker.error_told = true;
        }
        Err(Stop::Syntax(error))
            if dialect.file_holds_syntax_errors && !walker.mistakes_go_through() =>
        {
            let status = dialect.file_mistake_status.unwrap_or(dialect.eval_syntax_status);
            walker.survive(ShellError::new(error.to_string(), error.span, status, Reach::Command));
        }
        Err(stop) => {
            let counts = dialect.exit_keeps_file_parameters == FileParameters::OfOutermost;
            if let Some(outer) = outer.filter(|_| counts && !walker.exit_keeps_file_parameters()) {
                walker.state.positional = outer;
            }
            return Err(stop);
        }
        Ok(()) => {}
    }
    if let Some(outer) = outer.filter(|_| !walker.keeps_set_parameters()) {
        let before = std::mem::replace(&mut walker.state.positional, outer);
        walker.tell_change(Cause::Return, &before, call.span)?;
    }
    Ok(walker.state.status)
}

impl Walker {
    /// Sets the mask for the permissions of new files.
    pub(in crate::walk) fn set_mask(&mut self, mask: u32) {
        if mask != self.state.mask {
            self.state.mask = mask;
            Context::host(self).set_mask(mask);
        }
    }

    /// Makes the path of the program absolute that takes the place of the shell, where the shell does that
    /// (observed in bash 5.2: a script that begins with `#!` is told that path).
    fn seek_from_root(&mut self, argv: &[Text]) {
        let Some(name) = self.sought.as_ref().or(argv.first()) else { return };
        if !self.state.dialect.exec_goes_from_root || name.has_hole() {
            return;
        }
        let bytes = name.bytes();
        let found = if bytes.contains(&b'/') { Some(bytes.to_vec()) } else { self.on_path(bytes) };
        let Some(path) = found.filter(|path| !path.starts_with(b"/")) else { return };
        let path = path.strip_prefix(b"./").unwrap_or(&path);
        let whole = [self.state.entered.bytes(), b"/", path].concat();
        if Context::host(self).exists(&whole) {
            self.sought = Some(self.state.shell_text(&whole));
        }
    }

    /// Whether the action for EXIT sees the parameters of the file that ends the shell now.
    fn exit_keeps_file_parameters(&mut self) -> bool {
        match self.state.dialect.exit_keeps_file_parameters {
            FileParameters::Restored => false,
            FileParameters::Kept => true,
            FileParameters::OfOutermost => {
                let is_outermost = self.depth == 0 && !self.state.in_text();
                is_outermost || !self.scopes.is_empty() || self.keeps_set_parameters()
            }
        }
    }

    /// Whether the parameters that `set` has made in a file stay behind it.
    fn keeps_set_parameters(&mut self) -> bool {
        let replaced = std::mem::take(&mut self.parameters_replaced);
        replaced && self.scopes.is_empty() && self.state.dialect.files_keep_set_parameters
    }

    /// What is left to read in a descriptor that a path names.
    fn left_in_descriptor(&self, path: &[u8]) -> Option<Text> {
        let descriptor = Descriptors::named(path)?;
        self.descriptors.input(descriptor).opened_again().rest()
    }

    /// What a file holds that `.` or `source` reads: of a name without a slash the first one that PATH leads to, or the
    /// one here where the shell looks here.
    fn sourced_file(&mut self, name: &[u8], is_source: bool, limit: usize) -> Option<Vec<u8>> {
        let host = Context::host(self);
        let reads_folders = self.state.dialect.dot_reads_folders;
        let read = |path: &[u8]| match host.is_folder(path) {
            true => reads_folders.then(Vec::new),
            false => host.read(path, limit),
        };
        if name.contains(&b'/') {
            return read(name);
        }
        let files = candidates(name, self.state.search_path().as_deref()).into_iter();
        let finds_folders = self.state.dialect.dot_finds_folders;
        if name.is_empty() && finds_folders {
            return Some(Vec::new());
        }
        let mut on_path = files.filter(|path| finds_folders || !host.is_folder(path));
        let dialect = &self.state.dialect;
        let here = if is_source { dialect.source_looks_here } else { dialect.dot_looks_here };
        match here {
            LooksHere::First => read(name).or_else(|| on_path.find_map(|path| read(&path))),
            LooksHere::Last => on_path.find_map(|path| read(&path)).or_else(|| read(name)),
            LooksHere::Never => on_path.find_map(|path| read(&path)),
        }
    }
}

/// `wait [job...]`: the status of the last job named. Where several jobs were started their numbers
/// `jobs -x [command]`: carries the command out, in which jobs stand for their processes (bash manual, Job Control
/// Builtins).
fn command_of_jobs(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let words = match call.arguments() {
        [first, rest @ ..] if first.bytes().starts_with(b"-x") => rest,
        _ => return Ok(walker.complain(call, 1)),
    };
    let words = match words {
        [first, rest @ ..] if first.bytes() == b"--" => rest,
        words => words,
    };
    if words.is_empty() {
        return Ok(0);
    }
    match walker.kind(words) {
        CommandKind::External => walker.external(words.to_vec(), call.span),
        kind => {
            walker.carry_out(&Rc::new(words.to_vec()), kind, call.span)?;
            Ok(walker.state.status)
        }
    }
}

/// `jobs [job]...`, `disown [job]...`: what they write is known to nobody before.
pub(super) fn jobs(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let is_listing = call.bytes(0) == Some(b"jobs");
    let given = call.given(walker.state.dialect.jobs_letters, false);
    if is_listing && given.unknown.is_some() {
        return Ok(walker.complain(call, walker.state.dialect.jobs_usage_status));
    }
    if is_listing && given.has(b'x') {
        return command_of_jobs(walker, call);
    }
    let disowns = call.bytes(0) == Some(b"disown");
    let plain = disowns && walker.state.dialect.disown_letters.is_none();
    if let Some(letters) = walker.state.dialect.disown_letters
        && disowns
    {
        let given = call.given(letters, false);
        if given.unknown.is_some() {
            return Ok(walker.complain(call, walker.state.dialect.jobs_usage_status));
        }
        if given.operands.is_empty() && (given.has(b'a') || given.has(b'r')) {
            return Ok(0);
        }
    }
    let operands = if is_listing { given.operands } else { call.arguments() };
    let none = walker.state.jobs.is_empty() && (is_listing || plain);
    if operands.iter().any(|text| walker.is_missing_job(text) || (none && !text.has_hole())) {
        return Ok(walker.state.dialect.no_such_job_status);
    }
    Ok(Status::from(walker.state.jobs.is_empty() && disowns))
}

impl Walker {
    /// Whether a text names a job, by its number, that there is not.
    pub(super) fn is_missing_job(&self, text: &Text) -> bool {
        let count = self.state.jobs.count() as i64;
        match text.bytes() {
            [b'%', job @ ..] => !number(job).is_some_and(|job| (1..=count).contains(&job)),
            _ => false,
        }
    }

    /// Whether a command name stands for `fg` with a job, which no script can bring back.
    pub(in crate::walk) fn names_job(&self, name: &Text) -> bool {
        let is_written =
            || name.runs().next().is_some_and(|(run, _)| run.standing == Standing::Plain);
        name.bytes().starts_with(b"%")
            && match self.state.dialect.job_names {
                JobNames::None => false,
                JobNames::Any => true,
                JobNames::Unquoted => is_written(),
            }
    }
}
