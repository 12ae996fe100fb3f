//! The evaluator: runs shell text without running anything.

mod assign;
mod beginning;
mod builtins;
mod call;
mod compound;
mod conditional;
mod descriptors;
mod environment;
mod last_argument;
mod list_elements;
mod listed_indexes;
mod lists;
mod loops;
mod making;
mod members;
mod observer;
mod precommands;
mod processes;
mod programs;
mod redirections;
mod scopes;
mod signals;
mod simple;
mod statements;
mod stretch;
mod substitutions;
mod tables;
mod told_tables;
mod unknown;
mod written;

use rustc_hash::FxHashMap;
use std::cell::RefCell;
use std::rc::Rc;

pub use observer::{Cause, Change, Moment, Observer, Refusal, Wants};

use crate::dialect::{Keywords, OneCommand, ReadsWhole};
use crate::expand::Context;
use crate::host::{Host, Inside};
use crate::lineage::{Origin, Rule};
use crate::notes;
use crate::source::{SourceId, SourceKind, Span};
use crate::state::{Positional, State};
use crate::stop::{Reach, ShellError, Status, Stop, as_process};
use crate::syntax::Parser;
use crate::syntax::ast::{CommandSubstitution, List, ProcessSubstitution};
use crate::text::{HoleName, Standing, Text};
use crate::trace::{CommandKind, CommandTrace, Ending, Missing, Trace, WordTrace};
use crate::walk::builtins::{Left, SubshellIs};
use crate::walk::descriptors::{Descriptors, Output};
use crate::walk::lists::ListArgument;
use crate::walk::tables::Tables;
use crate::walk::written::{Overlaid, WrittenFiles};

/// Evaluates the main source of a state and answers the trace.
///
/// ```
/// use fizzet_core::{dialect::{Dialect, Shell}, host::Nowhere, source::SourceKind, state::State, walk};
/// let text = b"label \"two words\"";
/// let state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, text);
/// let trace = walk::line(state, std::rc::Rc::new(Nowhere));
/// assert_eq!(trace.commands[0].argv[1].bytes(), b"two words");
/// ```
pub fn line(state: State, host: Rc<dyn Host>) -> Trace {
    let collector = Rc::new(RefCell::new(observer::Collector::new(state.limits)));
    let watched = watch(state, host, collector.clone());
    let mut trace = watched.trace();
    trace.commands = std::mem::take(&mut collector.borrow_mut().commands);
    trace.notes = notes::find(&trace);
    trace
}

/// What is left when a watched evaluation has ended.
pub struct Watched {
    /// The state at the end.
    pub state: State,
    /// Answers that are missing.
    pub missing: Vec<Missing>,
    /// Errors after which the shell went on.
    pub mistakes: Vec<ShellError>,
    /// How it ended.
    pub ending: Ending,
    /// Whether the observer had enough before the end.
    pub left_early: bool,
}

impl Watched {
    fn trace(self) -> Trace {
        Trace {
            shell: self.state.dialect.shell,
            positional: self.state.positional,
            sources: self.state.sources,
            commands: Vec::new(),
            notes: Vec::new(),
            missing: self.missing,
            mistakes: self.mistakes,
            ending: self.ending,
            steps: self.state.steps,
            assumed_status: self.state.assumed_status,
        }
    }
}

/// Evaluates the main source of a state; the observer is told what happens as it happens.
pub fn watch(mut state: State, host: Rc<dyn Host>, observer: Rc<RefCell<dyn Observer>>) -> Watched {
    beginning::find_itself(&mut state, &*host);
    beginning::count_levels(&mut state);
    state.tie_inherited();
    state.forget_inherited();
    state.start_locale();
    state.doing.process = host.process();
    state.mask = state.doing.process.map_or(state.mask, |process| process.mask);
    let wants = observer.borrow().wants();
    let first_path = state.variables.scalar(b"PATH").cloned();
    let mut walker = Walker {
        state,
        host,
        observer,
        wants,
        latest: CommandKind::Nothing,
        unanswered: FxHashMap::default(),
        latest_hole: Some(HoleName::SHELL_NUMBER),
        mistakes: Vec::new(),
        word: None,
        depth: 0,
        testing: 0,
        testing_outside: 0,
        in_words: false,
        sourced: 0,
        pending: Vec::new(),
        death: None,
        status_outside: 0,
        acting: Vec::new(),
        actions: Vec::new(),
        error_told: false,
        spared: false,
        redirecting_failed: false,
        action_status: 0,
        loops: 0,
        list_arguments: Vec::new(),
        member_of: None,
        scopes: Vec::new(),
        temporaries: Vec::new(),
        error_exit: None,
        parameters_replaced: false,
        bodies: 0,
        subshell_is: SubshellIs::Plain,
        groups: 0,
        descriptors: Descriptors::new(),
        lost_output: false,
        flooded: false,
        status_is_answer: false,
        piped: &[],
        lone: false,
        written: WrittenFiles::default(),
        processes: Vec::new(),
        options_at: Default::default(),
        substituted: None,
        beside: None,
        guessed: false,
        sought: None,
        in_turn: Vec::new(),
        first_path,
        in_default_path: false,
        bare_environment: false,
        takes_place: false,
        behind_backslash: false,
        line_command: None,
        line_argument: None,
        asked_no_option: false,
    };
    walker.take_functions();
    for name in std::mem::take(&mut walker.state.start_options) {
        if !walker.state.set_option(name.as_bytes(), true) {
            let message = format!("this shell has no option {name}");
            let span = Span::new(SourceId::MAIN, 0, 0);
            walker.survive(ShellError::new(message, span, 0, Reach::Command));
        }
    }
    let outcome = walker.source(SourceId::MAIN);
    let outcome = walker.leave_shell(outcome, 0, Left::Shell);
    walker.ended(outcome)
}

/// The most errors, and the most things that are not known, that are kept.
const MAX_KEPT: usize = 1000;

/// An evaluation under way.
pub(crate) struct Walker {
    pub(crate) state: State,
    host: Rc<dyn Host>,
    observer: Rc<RefCell<dyn Observer>>,
    wants: Wants,
    /// What the latest command was.
    latest: CommandKind,
    /// Programs whose output somebody reads and nobody knows, by their places.
    unanswered: FxHashMap<Span, Rc<Vec<Text>>>,
    /// The name of the latest hole that has one; none are left behind the last.
    latest_hole: Option<HoleName>,
    mistakes: Vec<ShellError>,
    /// The word that is being expanded.
    word: Option<WordTrace>,
    /// Function calls and substitutions inside each other.
    depth: u32,
    /// How many conditions are being evaluated: `set -e` does not look at them.
    testing: u32,
    /// The same where the innermost function began.
    testing_outside: u32,
    /// Whether the words or the assignments of a simple command are being expanded.
    in_words: bool,
    /// Files that `.` is carrying out.
    sourced: usize,
    /// Signals that have come and have not been looked at.
    pending: Vec<signals::Signal>,
    /// The signal that has ended the shell.
    death: Option<signals::Death>,
    /// `$?` when the outermost of the subshells under way began.
    status_outside: Status,
    /// Conditions whose actions are being carried out.
    acting: Vec<&'static str>,
    /// How things stood when each of them began, and that for EXIT.
    actions: Vec<signals::EnteredAction>,
    /// What the latest action of `trap` ended with.
    action_status: Status,
    /// Whether a redirection of the compound command that was carried out last has failed.
    redirecting_failed: bool,
    /// Whether the action for ERR has been carried out for the latest status.
    error_told: bool,
    /// Whether the latest failure was that of a negated command or in a compound command, whoever asks.
    spared: bool,
    /// Loops around the command, up to the function or subshell that it is in.
    loops: u32,
    /// `name=(...)` behind a declaration utility, with the index of its argument.
    list_arguments: Vec<ListArgument>,
    /// The compound variable whose members are being made.
    member_of: Option<Rc<[u8]>>,
    /// The functions that are being called.
    scopes: Vec<call::Scope>,
    /// Assignments before the commands that are being carried out.
    temporaries: Vec<scopes::Temporary>,
    /// What the subshell is that begins next.
    subshell_is: SubshellIs,
    /// How many subshells are groups, or in the background.
    groups: u32,
    /// How many functions the command was in for which `set -e` ended the shell.
    error_exit: Option<usize>,
    /// Whether `set` has replaced the parameters outside functions since the latest `.` began.
    parameters_replaced: bool,
    /// How many texts of functions, files and `eval` have been carried out.
    bodies: u64,
    /// What is read from, and where what is written goes.
    descriptors: Descriptors,
    /// Whether something that the utility under way has written could not be written.
    lost_output: bool,
    /// Whether more has been written to where it is kept than is kept.
    flooded: bool,
    /// Whether the status of the utility under way answers a question, and no message goes with it.
    status_is_answer: bool,
    /// The descriptors that pipes lead to, for the command that comes next.
    piped: &'static [u32],
    /// Whether the command that comes next is all there is of its pipeline.
    lone: bool,
    /// Files that have been written in memory only.
    written: WrittenFiles,
    /// Process substitutions that wait for their reader, by their places.
    processes: Vec<processes::Beside>,
    /// Where `getopts` stands.
    options_at: builtins::OptionPlace,
    /// The status of the latest command substitution of a command without a name.
    substituted: Option<Status>,
    /// The status of the latest process that was started beside the last command.
    beside: Option<Status>,
    /// Whether the status of the latest program had to be guessed.
    guessed: bool,
    /// Whether an `eval` has just ended in a backslash that nothing follows.
    behind_backslash: bool,
    /// Where the command begins that is all there is of the line under way, when its last argument is kept.
    line_command: Option<Span>,
    /// The last argument of that command.
    line_argument: Option<Text>,
    /// Whether the latest test of an option has found none of that name.
    asked_no_option: bool,
    /// The name under which a program is looked for, where that is not the first of its vector.
    sought: Option<Text>,
    /// What the words of a declaration have assigned for those behind them, and what was there before.
    in_turn: assign::Saved,
    /// Where programs were looked for at the start.
    first_path: Option<Text>,
    /// Whether names are looked for where `command -p` does that.
    in_default_path: bool,
    /// Whether `exec -c` keeps the environment from the program.
    bare_environment: bool,
    /// Whether a program takes the place of the shell.
    takes_place: bool,
}

impl Walker {
    /// Reads and carries out a source, one line of commands after the other.
    fn source(&mut self, id: SourceId) -> Result<(), Stop> {
        let (bytes, dialect) =
            (self.state.sources.get(id).bytes.clone(), self.state.dialect.clone());
        let tables = Tables::new(dialect.clone());
        let mut counts = dialect.clone();
        let mut parser = Parser::new(&bytes, id, &dialect);
        parser.is_main = id == SourceId::MAIN;
        let reads_whole = match (dialect.reads_whole, &self.state.sources.get(id).kind) {
            (ReadsWhole::ButFiles, kind) => {
                !matches!(kind, SourceKind::File(_) | SourceKind::Built("."))
            }
            (ReadsWhole::InnerTexts, kind) => matches!(kind, SourceKind::Built("." | "eval")),
            (ReadsWhole::Nothing, _) => false,
        };
        let mut read = Vec::new();
        if reads_whole {
            self.prepare(&mut parser);
            while let Some(list) = parser.next_commands()? {
                read.push(list);
            }
            return read.iter().try_for_each(|list| self.line_of_commands(list, id));
        }
        loop {
            // What a line switches on counts from the next line on.
            if !Rc::ptr_eq(&counts, &self.state.dialect) {
                counts = self.state.dialect.clone();
                parser.set_dialect(tables.like(&counts));
            }
            self.prepare(&mut parser);
            if std::mem::take(&mut self.behind_backslash) {
                parser.refuse_reserved()?;
            }
            let list = match parser.next_commands() {
                Err(error) if error.ends_line => {
                    parser.skip_line();
                    self.survive(ShellError::new(error.to_string(), error.span, 1, Reach::Line));
                    continue;
                }
                list => list?,
            };
            let Some(list) = list else { return Ok(()) };
            match self.line_of_commands(&list, id) {
                Err(Stop::Shell(error)) if id == SourceId::MAIN && self.ends_line(&error) => {
                    self.survive(error);
                }
                Err(Stop::Shell(error)) if id == SourceId::MAIN && self.goes_on_behind(&error) => {
                    let failed = self.state.status != 0 && !error.is_read_only;
                    let status = if failed { self.state.status } else { error.status };
                    self.survive(ShellError { status, ..error });
                }
                outcome => outcome?,
            }
            if id == SourceId::MAIN && self.state.letter_is_on(b't') && self.one_command_ends() {
                return Err(Stop::Exit(self.state.status));
            }
        }
    }

    /// Whether the shell ends behind a line of commands under `set -t`.
    fn one_command_ends(&self) -> bool {
        match self.state.dialect.one_command {
            OneCommand::Never => false,
            OneCommand::Scripts => self.is_script(),
            OneCommand::All => true,
        }
    }

    /// Whether the shell reads a script, and not the text behind `-c`.
    pub(super) fn is_script(&self) -> bool {
        matches!(self.state.sources.get(SourceId::MAIN).kind, SourceKind::File(_))
    }

    /// The place behind the last byte of the text that is traced.
    pub(super) fn end_of_script(&self) -> Span {
        let end = self.state.sources.get(SourceId::MAIN).bytes.len() as u32;
        Span { source: SourceId::MAIN, start: end, end }
    }

    /// Whether a mistake that ends the text of `-c` ends a line only, since that is a script.
    pub(super) fn ends_line(&self, error: &ShellError) -> bool {
        error.ends_text && self.is_script() && self.state.dialect.scripts_survive_indexes
    }

    /// Whether a script goes on in the next line behind a mistake that ends the shell (zsh: `continueonerror`).
    fn goes_on_behind(&self, error: &ShellError) -> bool {
        let options = &self.state.options;
        options.is_toggled(b"continueonerror")
            && self.is_script()
            && !error.exits
            && !options.exit_on_error
    }

    /// Whether no mistake is held now.
    fn mistakes_go_through(&self) -> bool {
        self.state.dialect.guarded_mistakes_end_shell
            && (self.state.options.exit_on_error || self.state.traps.contains_key(&b"EXIT"[..]))
    }

    /// Whether words are replaced by aliases.
    fn aliases_count(&self) -> bool {
        self.state.dialect.aliases || self.state.options.expand_aliases
    }

    /// Tells the parser what counts now.
    fn prepare(&self, parser: &mut Parser<'_>) {
        let count = self.aliases_count() && !self.state.aliases.is_empty();
        let known = count.then(|| self.state.aliases.clone());
        parser.set_extended_patterns(self.state.options.extended_glob);
        let read = matches!(self.state.dialect.keywords, Keywords::Read | Keywords::ReadEverywhere);
        parser.set_keywords(read && self.state.letter_is_on(b'k'));
        parser.set_aliases(known);
    }

    /// Whether a mistake that ends a line of this text ends the subshell that carries it out.
    fn ends_subshell(&self, id: SourceId) -> bool {
        self.state.dialect.inner_mistakes_end_subshells
            && self.state.doing.depth > 0
            && matches!(self.state.sources.get(id).kind, SourceKind::Built("." | "eval"))
    }

    /// Carries out the commands of one line, as the shell reads lines.
    fn line_of_commands(&mut self, list: &List, id: SourceId) -> Result<(), Stop> {
        self.bodies += 1;
        if self.state.options.no_exec {
            return Ok(());
        }
        let outcome = match id == SourceId::MAIN {
            true => self.line_with_last_argument(list),
            false => self.list(list),
        };
        match outcome {
            Err(Stop::Shell(error)) if error.reach == Reach::Line => {
                let ends = self.state.dialect.exit_on_error_minds_mistakes;
                if ends && self.state.options.exit_on_error && !error.is_number {
                    return Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }));
                }
                if self.ends_subshell(id) {
                    let (reach, exits) = (Reach::Shell, true);
                    return Err(Stop::Shell(ShellError { reach, exits, ..error }));
                }
                let status = match self.state.dialect.inner_mistake_status {
                    Some(status) if id != SourceId::MAIN => status,
                    _ => error.status,
                };
                self.survive(ShellError { status, ..error });
            }
            outcome => outcome?,
        }
        Ok(())
    }

    /// Goes on after an error that does not end the shell.
    pub(super) fn survive(&mut self, mut error: ShellError) {
        self.tell_mistake(&mut error);
        self.state.status = error.status;
        self.keep_mistake(error);
    }

    /// The same of a mistake that is only told, but ends the shell under `set -e` where that minds those.
    pub(super) fn survive_told(&mut self, error: ShellError) -> Result<(), Stop> {
        if self.state.dialect.told_mistakes_end_shells && self.state.options.exit_on_error {
            return Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }));
        }
        self.survive(error);
        Ok(())
    }

    /// Keeps an error that did not end the shell; of very many the first ones.
    fn keep_mistake(&mut self, error: ShellError) {
        if self.mistakes.len() < MAX_KEPT {
            self.mistakes.push(error);
        }
    }

    /// Keeps what is not known, once; of very many the first ones.
    /// Carries out a text that was put together or read while running.
    fn deeper_source(&mut self, id: SourceId, span: Span) -> Result<(), Stop> {
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("texts carried out inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span });
        }
        let limit = self.state.limits.recorded;
        if self.state.sources.built_weight() > limit {
            let (what, limit) = ("bytes of texts put together while running", limit as u64);
            return Err(Stop::Limit { what, limit, span });
        }
        self.depth += 1;
        let outcome = self.source(id);
        self.depth -= 1;
        outcome
    }

    /// Writes to standard output; false if that is not possible.
    fn write(&mut self, text: Text) -> bool {
        self.write_to(1, text)
    }

    /// Writes to a descriptor; false if that is not possible.
    fn write_to(&mut self, descriptor: u32, text: Text) -> bool {
        let done = match self.descriptors.output(descriptor).cloned() {
            None => self.state.dialect.closed_output_is_silent,
            Some(output) => self.write_into(&output, text),
        };
        self.lost_output |= !done;
        done
    }

    fn write_into(&mut self, output: &Output, text: Text) -> bool {
        match output {
            Output::All(all) => {
                let done = all.iter().filter(|one| self.write_into(one, text.clone())).count();
                return done == all.len();
            }
            Output::Kept(kept) => {
                let mut kept = kept.borrow_mut();
                kept.push_text(&text);
                self.flooded |= kept.len() > self.state.limits.bytes;
            }
            Output::Written(file) => {
                let mut file = file.borrow_mut();
                if file.len() + text.len() > self.state.limits.bytes {
                    // What is in so large a file nobody knows any more.
                    *file = Text::new();
                    let span = self.state.shell_origin().span();
                    file.push_hole(Standing::Quoted, &Origin::new(Rule::Output, span));
                }
                file.push_text(&text);
            }
            Output::Performed(sink) => return sink.write(text.bytes()),
            Output::Shown if self.wants.output => {
                // One that has had enough says so at the next command.
                let _ = self.observer.borrow_mut().output(self.moment(), &text);
            }
            Output::Full => return text.is_empty(),
            Output::Shown | Output::Messages | Output::Nowhere => {}
        }
        true
    }

    /// A name for what a program prints.
    fn hole_name(&mut self) -> Option<HoleName> {
        self.latest_hole = self.latest_hole.and_then(HoleName::next);
        self.latest_hole
    }

    /// Marks that output which is not known goes where somebody reads it.
    fn write_hole(&mut self, span: Span) {
        match self.descriptors.output(1) {
            None | Some(Output::Full) => self.lost_output = true,
            Some(output) => {
                output.push_hole(None, &Origin::new(Rule::Output, span));
            }
        }
    }

    /// Marks that a message which nobody can word goes where somebody reads it: `$(cd nosuch 2>&1)`.
    pub(in crate::walk) fn message_hole(&mut self, span: Span) {
        let origin = Origin::new(Rule::Output, span);
        if self.descriptors.output(2).is_some_and(|output| output.push_hole(None, &origin)) {
            self.missing("how the shell words its message", span);
        }
    }

    /// Writes the message of a mistake to where messages go now, unless that has been done.
    pub(in crate::walk) fn tell_mistake(&mut self, error: &mut ShellError) {
        if !std::mem::replace(&mut error.is_told, true) {
            self.message_hole(error.span);
        }
    }

    /// Runs commands and keeps what they print.
    fn captured(
        &mut self,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> (Text, Result<(), Stop>) {
        let kept = Rc::new(RefCell::new(Text::new()));
        let outer = self.descriptors.clone();
        self.descriptors.write_to(1, Output::Kept(kept.clone()));
        let outcome = run(self);
        self.descriptors.take_over(1, &outer);
        self.flooded = false;
        let text = std::mem::take(&mut *kept.borrow_mut());
        (text, outcome)
    }

    /// A mistake in the use of a built-in utility: it ends the shell, or has the status 1.
    fn usage(&mut self, call: &builtins::Call<'_>, wrong: &str) -> Result<Status, Stop> {
        if !self.state.dialect.wrong_numbers_are_fatal {
            return Ok(self.complain(call, 1));
        }
        Err(self.fatal(call, wrong))
    }

    /// A mistake that ends the shell.
    fn fatal(&mut self, call: &builtins::Call<'_>, wrong: &str) -> Stop {
        self.fatal_with(call, wrong, self.state.dialect.usage_status)
    }

    /// An option that is not known ends the shell.
    fn fatal_option(&mut self, call: &builtins::Call<'_>) -> Stop {
        let status = self.state.dialect.unknown_option_status;
        self.fatal_with(call, "an option is not known", status)
    }

    /// The same with a status of its own.
    fn fatal_with(&mut self, call: &builtins::Call<'_>, wrong: &str, status: Status) -> Stop {
        let name = call.argv.first().map_or(&b""[..], |name| name.bytes());
        let message = format!("{}: {wrong}", String::from_utf8_lossy(name));
        let error = ShellError::new(message, call.span, status, Reach::Shell);
        Stop::Shell(ShellError { is_usage: true, ..error })
    }

    /// Counts a step.
    fn step(&mut self, span: Span) -> Result<(), Stop> {
        self.state.steps += 1;
        self.state.doing.at = Some(span);
        if std::mem::take(&mut self.flooded) {
            return Err(Stop::flood(self.state.limits.bytes, span));
        }
        let limit = self.state.limits.steps;
        if self.state.steps > limit {
            return Err(Stop::Limit { what: "steps", limit, span });
        }
        self.state.limits.room_for_hops(span)
    }

    fn ended(mut self, outcome: Result<(), Stop>) -> Watched {
        let left_early = matches!(outcome, Err(Stop::Enough));
        match &outcome {
            Err(Stop::Exit(status) | Stop::Return(status)) => {
                self.state.status = as_process(*status);
            }
            Err(Stop::Shell(error)) => self.state.status = error.status,
            _ => self.state.status = as_process(self.state.status),
        }
        let ending = match outcome {
            Err(Stop::Shell(error)) if self.state.missing.is_empty() => Ending::ShellStops(error),
            Err(Stop::Syntax(error)) => Ending::Syntax(error),
            Err(stop @ Stop::Limit { span, .. }) => {
                Ending::Stopped { message: stop.to_string(), span }
            }
            Ok(()) | Err(_) if self.state.missing.is_empty() => Ending::Complete,
            Ok(()) | Err(_) => Ending::Incomplete,
        };
        let Walker { mut state, mistakes, .. } = self;
        let missing = std::mem::take(&mut state.missing);
        Watched { state, missing, mistakes, ending, left_early }
    }

    /// Tells the observer of a command.
    fn announce(&mut self, command: CommandTrace) -> Result<(), Stop> {
        self.latest = command.kind;
        if !self.wants.commands {
            return Ok(());
        }
        let span = command.span;
        let told = self.observer.borrow_mut().command(self.moment(), command);
        told.map_err(|refusal| refused(refusal, span))
    }

    /// Tells the observer that the positional parameters have changed.
    fn tell_change(&mut self, cause: Cause, before: &Positional, span: Span) -> Result<(), Stop> {
        if !self.wants.params {
            return Ok(());
        }
        let change = Change { cause, span, before, after: &self.state.positional };
        let told = self.observer.borrow_mut().params(self.moment(), change);
        told.map_err(|refusal| refused(refusal, span))
    }

    fn moment(&self) -> Moment<'_> {
        Moment { sources: &self.state.sources, depth: self.depth }
    }
}

fn refused(refusal: Refusal, span: Span) -> Stop {
    match refusal {
        Refusal::Enough => Stop::Enough,
        Refusal::Full(what, limit) => Stop::Limit { what, limit, span },
    }
}

impl Context for Walker {
    fn state(&mut self) -> &mut State {
        &mut self.state
    }

    fn is_local(&self, name: &[u8]) -> bool {
        Walker::is_local(self, name)
    }

    fn host(&self) -> Rc<dyn Host> {
        let folder = &self.state.folder;
        let host = match folder.is_empty() {
            true => self.host.clone(),
            false => Rc::new(Inside { host: self.host.clone(), folder: folder.clone() }),
        };
        match self.written.is_empty() {
            true => host,
            false => {
                let (folder, written) = (folder.clone(), self.written.clone());
                Rc::new(Overlaid { host, folder, written })
            }
        }
    }

    fn call_function(&mut self, name: &[u8], argv: Vec<Text>, span: Span) -> Result<(), Stop> {
        let Some(function) = self.state.functions.get(name).cloned() else {
            let message = format!("there is no function {}", String::from_utf8_lossy(name));
            return Err(self.state.mistake(message, span, 1));
        };
        let (status, word) = (self.state.status, self.word.take());
        let outcome = self.call(&function, &argv, span);
        (self.state.status, self.word) = (status, word);
        outcome
    }

    fn record(&mut self) -> Option<&mut WordTrace> {
        self.word.as_mut()
    }

    fn command_output(&mut self, command: &CommandSubstitution) -> Result<Text, Stop> {
        self.substitution(command)
    }

    fn process(&mut self, process: &ProcessSubstitution) -> Result<Option<Vec<u8>>, Stop> {
        self.process_beside(process)
    }

    fn missing(&mut self, what: &str, span: Span) {
        let missing = Missing { what: what.into(), span, command: None };
        self.state.keep_missing(missing);
    }
}
