//! Coprocesses: what they read from the shell, and what the shell reads from them.
//!
//! A coprocess runs beside the shell, and each may wait for the other. It is carried out by a second evaluator, a
//! copy of the shell as it stood when the coprocess began, as far as it comes with what the shell has written to it
//! until then. Where it waits for more it is given up, and carried out again from its start once there is more to
//! read: what it did the time before, nobody is told again.

use std::cell::{Cell, RefCell};
use std::rc::Rc;

use crate::expand::Context;
use crate::host::Ran;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::Value;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::ast::{AndOr, Command, CommandKind as Node, Pipeline, ProcessSubstitution};
use crate::text::{HoleName, Standing, Text};
use crate::trace::{CommandTrace, Missing};
use crate::walk::builtins::signal_number;
use crate::walk::descriptors::{Descriptors, Input, Output};
use crate::walk::signals::HARMLESS;
use crate::walk::{Change, Moment, Observer, Refusal, Walker};

/// The highest number that the shell gives to the ends of its pipes.
const HIGHEST_DESCRIPTOR: u32 = 63;

/// What such a process carries out.
enum Work {
    /// The list of a coprocess, whose output the shell reads.
    Beside(AndOr),
    /// The commands of `>(list)`, which write where the shell does.
    Substitution(ProcessSubstitution),
}

impl Work {
    fn span(&self) -> Span {
        match self {
            Work::Beside(list) => list.span,
            Work::Substitution(process) => process.span,
        }
    }
}

/// A process that reads what the shell writes to it.
pub(super) struct Coprocess {
    /// The shell as it was when the process began.
    forked: Walker,
    /// What it carries out.
    work: Work,
    /// What the shell has written to it. Whoever may write more holds a share of that.
    written: Rc<RefCell<Text>>,
    /// What it has printed.
    printed: Text,
    /// How much there was to read when it was carried out last, and whether more could come.
    seen: Option<(usize, bool)>,
    /// What it has ended with.
    ended: Option<Status>,
    /// Whether it prints for ever.
    is_endless: bool,
    /// What stands for its process number.
    number: Option<HoleName>,
    /// The array that tells its descriptors, and those, where it has a name.
    named: Option<(Rc<[u8]>, [u32; 2])>,
    progress: Rc<Progress>,
    missing: Vec<Missing>,
    mistakes: Vec<ShellError>,
}

impl std::fmt::Debug for Coprocess {
    fn fmt(&self, to: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(to, "Coprocess({:?})", self.work.span())
    }
}

/// How far a coprocess has come the times before: what it does up to there is done already.
#[derive(Default, Debug)]
pub(super) struct Progress {
    done: Cell<usize>,
    at: Cell<usize>,
    /// What its programs have left behind, in their order.
    ran: RefCell<Vec<Option<Ran>>>,
    ran_at: Cell<usize>,
}

impl Progress {
    fn begin_again(&self) {
        self.at.set(0);
        self.ran_at.set(0);
    }

    /// Whether the next thing that others see of the coprocess was done before.
    pub(super) fn is_done(&self) -> bool {
        self.at.set(self.at.get() + 1);
        let is_done = self.at.get() <= self.done.get();
        self.done.set(self.done.get().max(self.at.get()));
        is_done
    }

    /// What the next program leaves behind, which is run only once.
    pub(super) fn once(&self, run: impl FnOnce() -> Option<Ran>) -> Option<Ran> {
        let at = self.ran_at.replace(self.ran_at.get() + 1);
        if let Some(before) = self.ran.borrow().get(at) {
            return before.clone();
        }
        let ran = run();
        self.ran.borrow_mut().push(ran.clone());
        ran
    }
}

/// What others see of a coprocess: only what it has not done before arrives there.
#[derive(Debug)]
pub(super) struct Resumed<T> {
    pub(super) inner: T,
    pub(super) progress: Rc<Progress>,
}

impl Observer for Resumed<Rc<RefCell<dyn Observer>>> {
    fn command(&mut self, moment: Moment<'_>, command: CommandTrace) -> Result<(), Refusal> {
        match self.progress.is_done() {
            true => Ok(()),
            false => self.inner.borrow_mut().command(moment, command),
        }
    }

    fn params(&mut self, moment: Moment<'_>, change: Change<'_>) -> Result<(), Refusal> {
        match self.progress.is_done() {
            true => Ok(()),
            false => self.inner.borrow_mut().params(moment, change),
        }
    }

    fn output(&mut self, moment: Moment<'_>, text: &Text) -> Result<(), Refusal> {
        match self.progress.is_done() {
            true => Ok(()),
            false => self.inner.borrow_mut().output(moment, text),
        }
    }
}

/// A coprocess, shared by the shell and by what reads from it.
pub(super) type Shared = Rc<RefCell<Coprocess>>;

/// What a reader finds of what a coprocess has printed until now.
pub(super) struct Printed {
    pub(super) text: Text,
    /// Whether more may come.
    pub(super) goes_on: bool,
    pub(super) is_endless: bool,
}

impl Coprocess {
    pub(super) fn printed(&self) -> Printed {
        let is_endless = self.is_endless;
        let goes_on = self.ended.is_none() && !is_endless;
        Printed { text: self.printed.clone(), goes_on, is_endless }
    }
}

impl Walker {
    /// Begins a coprocess. `name`: the array that gets its descriptors, where there is one.
    pub(super) fn start_coprocess(
        &mut self,
        name: Option<Rc<[u8]>>,
        list: AndOr,
    ) -> Result<(), Stop> {
        let span = list.span;
        let both = Descriptors::COPROCESS;
        let is_taken = self.descriptors.output(both).is_some();
        if is_taken && self.state.dialect.one_coprocess {
            let message = "another coprocess is still running";
            return Err(Stop::error(message.to_string(), span, 1, Reach::Shell));
        }
        let number = self.hole_name();
        let ends = if name.is_some() { self.free_ends() } else { [both; 2] };
        let named = name.map(|name| (name, ends));
        let process = self.process(Work::Beside(list), number, named);
        let written = Output::Kept(process.borrow().written.clone());
        let printed = Input::of_process(process.clone());
        match ends {
            [from, to] if from == to => self.descriptors.open_both(from, printed, written),
            [from, to] => {
                self.descriptors.read_from(from, printed);
                self.descriptors.write_to(to, written);
            }
        }
        self.state.jobs.start(number, 0);
        if let Some((name, ends)) = &process.borrow().named {
            self.tell_ends(name, *ends, number, span);
        }
        self.advance(&process)?;
        self.beside = Some(process.borrow().ended.unwrap_or(0));
        self.state.status = 0;
        Ok(())
    }

    /// Begins the process of a `>(list)`, and answers what it reads.
    pub(super) fn start_reader(
        &mut self,
        process: &ProcessSubstitution,
        number: Option<HoleName>,
    ) -> Result<Rc<RefCell<Text>>, Stop> {
        let process = self.process(Work::Substitution(process.clone()), number, None);
        let written = process.borrow().written.clone();
        self.advance(&process)?;
        Ok(written)
    }

    fn process(
        &mut self,
        work: Work,
        number: Option<HoleName>,
        named: Option<(Rc<[u8]>, [u32; 2])>,
    ) -> Shared {
        let progress = Rc::<Progress>::default();
        let process = Rc::new(RefCell::new(Coprocess {
            forked: self.fork(&progress),
            work,
            written: Rc::default(),
            printed: Text::new(),
            seen: None,
            ended: None,
            is_endless: false,
            number,
            named,
            progress,
            missing: Vec::new(),
            mistakes: Vec::new(),
        }));
        self.coprocesses.push(process.clone());
        process
    }

    /// Carries the processes of `>(list)` to their ends whose writers have gone.
    pub(super) fn end_readers(&mut self) -> Result<(), Stop> {
        let has_ended = |process: &Shared| {
            process.try_borrow().is_ok_and(|one| {
                matches!(one.work, Work::Substitution(_)) && Rc::strong_count(&one.written) == 1
            })
        };
        while let Some(at) = self.coprocesses.iter().rposition(has_ended) {
            let process = self.coprocesses.remove(at);
            self.advance(&process)?;
            self.take_over(&process.borrow());
        }
        Ok(())
    }

    /// The numbers of the ends of the two pipes that the shell keeps: each pipe takes the two highest that are
    /// free, and of the first the end is kept that is read, of the second the one that is written (observed in
    /// bash 5.2).
    fn free_ends(&self) -> [u32; 2] {
        let is_free = |one: &u32| !self.descriptors.is_open(*one);
        let free: Vec<u32> = (0..=HIGHEST_DESCRIPTOR).rev().filter(is_free).take(4).collect();
        [0, 3].map(|at| free.get(at).copied().unwrap_or_default())
    }

    /// Stores the descriptors and the process number of a coprocess.
    fn tell_ends(&mut self, name: &[u8], ends: [u32; 2], number: Option<HoleName>, span: Span) {
        let origin = Origin::new(Rule::Shell, span);
        let text = |end: u32| Text::from_bytes(end.to_string(), Standing::Quoted, origin.clone());
        let variable = self.state.variables.entry(name);
        match &mut variable.value {
            Value::Associative(elements) => {
                elements.set(text(0), text(ends[0]));
                elements.set(text(1), text(ends[1]));
            }
            value => *value = Value::Indexed([(0, text(ends[0])), (1, text(ends[1]))].into()),
        }
        let mut told = Text::new();
        told.push_named_hole(number, Standing::Quoted, &origin);
        let name = [name, b"_PID"].concat();
        self.state.variables.entry(&name).value = Value::Scalar(told);
    }

    /// The shell as a process that it starts sees it.
    fn fork(&self, progress: &Rc<Progress>) -> Walker {
        let mut forked = self.clone();
        forked.close_coprocesses();
        forked.descriptors.close(Descriptors::COPROCESS);
        forked.descriptors.resume(progress);
        forked.coprocesses.clear();
        forked.processes.clear();
        let observer = Resumed { inner: self.observer.clone(), progress: progress.clone() };
        forked.observer = Rc::new(RefCell::new(observer));
        forked.progress = Some(progress.clone());
        forked.state.missing.clear();
        forked.mistakes.clear();
        forked
    }

    /// Closes the descriptors of all coprocesses that have a name: a subshell does not have them.
    pub(super) fn close_coprocesses(&mut self) {
        for process in &self.coprocesses {
            if let Some((_, ends)) = &process.borrow().named {
                ends.iter().for_each(|&end| self.descriptors.close(end));
            }
        }
    }

    /// Carries a coprocess out as far as it comes.
    pub(super) fn advance(&mut self, process: &Shared) -> Result<(), Stop> {
        // While it is carried out, nobody reads from it: it has no share of its own pipes.
        let Ok(mut one) = process.try_borrow_mut() else { return Ok(()) };
        let holds_itself_open =
            matches!(one.work, Work::Beside(_)) && !self.state.dialect.coprocesses_see_the_end;
        let goes_on = Rc::strong_count(&one.written) > 1 || holds_itself_open;
        let seen = (one.written.borrow().len(), goes_on);
        if one.ended.is_some() || one.is_endless || one.seen == Some(seen) {
            return Ok(());
        }
        one.seen = Some(seen);
        one.progress.begin_again();
        let mut child = one.forked.clone();
        self.lend(&mut child);
        let input = Input::of(one.written.borrow().clone());
        let input = if goes_on { input.waiting() } else { input };
        let printed = Rc::new(RefCell::new(Text::new()));
        let outcome = match &one.work {
            Work::Beside(list) => {
                child.descriptors.write_to(1, Output::Kept(printed.clone()));
                child.as_process(list, Some(input))
            }
            Work::Substitution(process) => {
                child.descriptors.read_from(0, input);
                child.subshell(|child| child.list(&process.list))
            }
        };
        self.lend(&mut child);
        one.printed = std::mem::take(&mut *printed.borrow_mut());
        one.missing = std::mem::take(&mut child.state.missing);
        one.mistakes = std::mem::take(&mut child.mistakes);
        match outcome {
            Err(Stop::Waits) => return Ok(()),
            Err(stop) if stop.is_flood() => one.is_endless = true,
            Err(stop) => return Err(stop),
            Ok(()) => one.ended = Some(child.state.status),
        }
        if let Some(status) = one.ended {
            self.state.jobs.ended(one.number, status);
        }
        if self.state.dialect.one_coprocess && self.writes_to(&one) {
            self.descriptors.close_output(Descriptors::COPROCESS);
        }
        Ok(())
    }

    /// Whether `p` leads to a coprocess.
    fn writes_to(&self, process: &Coprocess) -> bool {
        let written = Output::Kept(process.written.clone());
        self.descriptors.output(Descriptors::COPROCESS).is_some_and(|one| one.is_same(&written))
    }

    /// Exchanges what there is only one of for all processes.
    fn lend(&mut self, child: &mut Walker) {
        std::mem::swap(&mut self.state.sources, &mut child.state.sources);
        std::mem::swap(&mut self.unanswered, &mut child.unanswered);
        std::mem::swap(&mut self.state.steps, &mut child.state.steps);
        std::mem::swap(&mut self.latest_hole, &mut child.latest_hole);
    }

    /// Carries out what there is still to do for the coprocesses that are waited for: all, or the one of this number.
    pub(super) fn wait_for_coprocesses(&mut self, number: Option<HoleName>) -> Result<(), Stop> {
        for process in self.coprocesses.clone() {
            self.advance(&process)?;
            let mut one = process.borrow_mut();
            let is_meant = match number {
                None => matches!(one.work, Work::Beside(_)),
                number => one.number == number,
            };
            if is_meant && one.ended.is_none() {
                let span = one.work.span();
                // Only somebody else can end the two.
                self.missing("what ends a coprocess that waits for the shell", span);
                one.ended = Some(0);
            }
        }
        self.reap_coprocesses();
        Ok(())
    }

    /// Forgets the coprocesses that have ended, with what tells of them, where the shell does that.
    pub(super) fn reap_coprocesses(&mut self) {
        if self.coprocesses.is_empty() || !self.state.dialect.named_coprocesses {
            return;
        }
        for process in std::mem::take(&mut self.coprocesses) {
            let one = process.borrow();
            let Some((name, ends)) = one.named.as_ref().filter(|_| one.ended.is_some()) else {
                drop(one);
                self.coprocesses.push(process);
                continue;
            };
            ends.iter().for_each(|&end| self.descriptors.close(end));
            self.state.variables.remove(name);
            self.state.variables.remove(&[name, &b"_PID"[..]].concat());
            self.take_over(&one);
        }
    }

    /// Carries out to their ends the coprocesses that were started behind the first so many: whoever could write
    /// to them has gone.
    pub(super) fn end_coprocesses(&mut self, kept: usize) -> Result<(), Stop> {
        // One may keep what those before it read open, as long as it runs itself.
        while self.coprocesses.len() > kept
            && let Some(process) = self.coprocesses.pop()
        {
            self.advance(&process)?;
            self.take_over(&process.borrow());
        }
        Ok(())
    }

    /// Carries out to their ends all coprocesses of a shell that has ended.
    pub(super) fn leave_coprocesses(&mut self, outcome: Result<(), Stop>) -> Result<(), Stop> {
        if self.coprocesses.is_empty() || matches!(outcome, Err(Stop::Limit { .. } | Stop::Enough))
        {
            return outcome;
        }
        self.descriptors = Descriptors::new();
        self.end_coprocesses(0)?;
        outcome
    }

    /// Has the coprocess print that writes an input, as far as it comes.
    pub(super) fn feed(&mut self, input: &Input) -> Result<(), Stop> {
        if let Some(process) = input.coprocess() {
            self.advance(&process)?;
            input.follow_coprocess();
        }
        Ok(())
    }

    /// A signal ends a coprocess that waits; false if the number is not that of one.
    pub(super) fn kill_coprocess(&mut self, number: Option<HoleName>, signal: &str) -> bool {
        let is_this = |process: &&Shared| {
            let one = process.borrow();
            one.number == number && one.ended.is_none()
        };
        let Some(process) = self.coprocesses.iter().find(is_this) else { return false };
        if signal == "0" || HARMLESS.contains(&signal) {
            return true;
        }
        let status = self.state.dialect.signal_status + signal_number(signal);
        process.borrow_mut().ended = Some(status);
        self.state.jobs.ended(number, status);
        true
    }

    fn take_over(&mut self, process: &Coprocess) {
        process.missing.iter().for_each(|missing| self.state.keep_missing(missing.clone()));
        process.mistakes.iter().for_each(|mistake| self.keep_mistake(mistake.clone()));
    }
}

/// A command as a list of its own.
pub(super) fn list_of(command: &Command) -> AndOr {
    let span = command.span;
    let first = match &command.kind {
        Node::Pipeline(pipeline) if command.redirects.is_empty() => (**pipeline).clone(),
        _ => Pipeline { negated: false, timed: false, commands: vec![command.clone()], span },
    };
    AndOr { first, rest: Vec::new(), background: true, is_coprocess: false, span }
}
