//! The evaluator: runs shell text without running anything.

mod arguments;
mod asked_texts;
mod assign;
mod background;
mod beginning;
mod builtins;
mod call;
mod closed_functions;
mod compound;
mod conditional;
mod coprocesses;
mod descriptors;
mod environment;
mod function_path;
mod keys;
mod known_line;
mod last_argument;
mod list_elements;
mod listed_indexes;
mod lists;
mod loops;
mod making;
mod members;
mod observer;
mod pipelines;
mod precommands;
mod processes;
mod programs;
mod reading;
mod redirections;
mod scopes;
mod signals;
mod simple;
mod statements;
mod stretch;
mod substitutions;
mod tables;
mod told_command;
mod told_tables;
mod vector;
mod writing;
mod written;

use rustc_hash::FxHashMap;
use std::cell::RefCell;
use std::rc::Rc;

pub use observer::{Cause, Change, Moment, Observer, Refusal, Wants};

use crate::expand::Context;
use crate::host::{Host, Inside};
use crate::notes;
use crate::source::{SourceId, Span};
use crate::state::{Positional, State};
use crate::stop::{Reach, ShellError, Status, Stop, as_process};
use crate::syntax::ast::{CommandSubstitution, ProcessSubstitution};
use crate::text::{HoleName, Text};
use crate::trace::{CommandKind, CommandTrace, Ending, Missing, Trace, WordTrace};
use crate::walk::builtins::{Left, SubshellIs};
use crate::walk::descriptors::Descriptors;
use crate::walk::lists::ListArgument;
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
    state.doing.machine = host.machine_name();
    state.mask = state.doing.process.map_or(state.mask, |process| process.mask);
    let wants = observer.borrow().wants();
    let first_path = state.variables.scalar(b"PATH").cloned();
    let written = WrittenFiles::new(host.clone(), &state.entered);
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
        replaced_at: None,
        timed: false,
        return_is_asked: false,
        call_is_spared: false,
        testing_of_text: 0,
        in_words: false,
        sourced: 0,
        pending: Vec::new(),
        death: None,
        status_outside: 0,
        acting: Vec::new(),
        actions: Vec::new(),
        error_told: false,
        before_mistake: None,
        is_process: false,
        has_other_input: false,
        words_failed: false,
        spared: false,
        redirecting_failed: false,
        action_status: 0,
        loops: 0,
        list_arguments: Vec::new(),
        member_of: None,
        scopes: Vec::new(),
        temporaries: Vec::new(),
        outward: None,
        lasting: Default::default(),
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
        written,
        processes: Vec::new(),
        coprocesses: Vec::new(),
        progress: None,
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
    let outcome = walker.leave_coprocesses(outcome);
    walker.ended(outcome)
}

/// The most errors, and the most things that are not known, that are kept.
const MAX_KEPT: usize = 1000;

/// An evaluation under way.
#[derive(Clone)]
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
    /// The command that a substitution ends with, and whether that is inside a function: its program takes the place
    /// of the process.
    replaced_at: Option<(Span, bool)>,
    /// Whether the simple command under way begins with options of `time`.
    timed: bool,
    /// Whether the latest `return` stood where somebody asks for a status in its function.
    return_is_asked: bool,
    /// Whether such a `return` has kept the failure of the call from counting.
    call_is_spared: bool,
    /// How many conditions are evaluated where the innermost text began whose commands do not know of those conditions.
    testing_of_text: u32,
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
    /// Whether the command that comes next is all that a process of its own carries out.
    is_process: bool,
    /// Whether a mistake in its words has ended such a process.
    words_failed: bool,
    /// Whether the standard input is another one than the shell's own: a pipe, or a redirection around the command.
    has_other_input: bool,
    /// The status that there was before the mistake that has ended the latest subshell.
    before_mistake: Option<Status>,
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
    /// The signal that ends functions up to one that is called where it has an action.
    outward: Option<signals::Signal>,
    /// The variables that functions keep from one call to the next.
    lasting: closed_functions::Lasting,
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
    /// The coprocesses that the shell has started and not forgotten.
    coprocesses: Vec<coprocesses::Shared>,
    /// How far this process has come before, if it is a coprocess.
    progress: Option<Rc<coprocesses::Progress>>,
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
