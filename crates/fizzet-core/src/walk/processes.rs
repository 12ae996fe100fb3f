//! Process substitutions: `<(list)` and `>(list)`.
//!
//! Their commands run beside the command whose word they stand in. They are carried out when the word is
//! expanded; what `<(list)` prints is there for whoever reads from it. The name that stands for it is a
//! hole, since only the running system hands it out; where programs may run it is the name that the shell
//! would give it, and the program finds the text in a pipe of that number.

use std::cell::RefCell;
use std::rc::Rc;

use crate::dialect::ProcessesAreJobs;
use crate::expand::Context;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Status, Stop};
use crate::syntax::ast::{Part, ProcessSubstitution, ProcessWay, Redirect, RedirectOperator};
use crate::text::{HoleName, Standing, Text};
use crate::walk::Walker;

/// A process substitution that waits for its reader.
#[derive(Clone)]
pub(super) struct Beside {
    /// Where it is written.
    span: Span,
    /// What it has printed.
    printed: Text,
    /// What is written to it, where it is one that reads.
    reads: Option<Rc<RefCell<Text>>>,
    /// The descriptor that a program finds it in.
    number: u32,
}

impl Beside {
    /// Whether its name is among these arguments, whatever way it has come.
    fn is_named(&self, argv: &[Text]) -> bool {
        let hops = argv.iter().flat_map(Text::runs).flat_map(|(run, _)| run.origin.hops());
        hops.map(Origin::span).any(|span| span == self.span)
    }
}

impl Walker {
    /// Carries the commands of a process substitution out, and keeps what they print.
    pub(super) fn process_beside(
        &mut self,
        process: &ProcessSubstitution,
    ) -> Result<Option<Vec<u8>>, Stop> {
        if process.way == ProcessWay::Reads {
            return self.reader_beside(process);
        }
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("substitutions inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span: process.span });
        }
        self.depth += 1;
        let (status, word) = (self.state.status, self.word.take());
        let outer = self.descriptors.clone();
        let run = |walker: &mut Walker| walker.subshell(|walker| walker.list(&process.list));
        let (output, outcome) = self.captured(run);
        self.descriptors = outer;
        self.word = word;
        self.depth -= 1;
        let made = std::mem::replace(&mut self.state.status, status);
        outcome?;
        self.keep_as_job(process.way, made);
        if process.way != ProcessWay::Writes {
            return Ok(None);
        }
        Ok(self.keep_beside(process.span, output, None))
    }

    /// Begins the process of a `>(list)`.
    fn reader_beside(&mut self, process: &ProcessSubstitution) -> Result<Option<Vec<u8>>, Stop> {
        let status = self.state.status;
        let number = self.keep_as_job(process.way, 0);
        let word = self.word.take();
        let reads = self.start_reader(process, number);
        (self.word, self.state.status) = (word, status);
        self.keep_beside(process.span, Text::new(), Some(reads?));
        Ok(None)
    }

    /// Keeps a process substitution for whoever has its name, and answers that where programs may run.
    fn keep_beside(
        &mut self,
        span: Span,
        printed: Text,
        reads: Option<Rc<RefCell<Text>>>,
    ) -> Option<Vec<u8>> {
        let (folder, first, step) = self.state.dialect.process_files;
        let taken = |number: u32| self.processes.iter().any(|one| one.number == number);
        let mut number = first;
        // One of so many numbers is free.
        for _ in 0..self.processes.len() {
            number = if taken(number) { number.saturating_add_signed(step) } else { number };
        }
        let names = Context::host(self).may_run();
        self.processes.push(Beside { span, printed, number, reads });
        names.then(|| format!("{folder}{number}").into_bytes())
    }

    /// What `$!` and `wait` know of a process substitution that would end with this status.
    fn keep_as_job(&mut self, way: ProcessWay, status: Status) -> Option<HoleName> {
        let number = self.hole_name();
        match (self.state.dialect.processes_are_jobs, way) {
            (ProcessesAreJobs::Readers, ProcessWay::Reads) => {
                self.state.jobs.start(number, status);
            }
            (ProcessesAreJobs::Remembered, _) => {
                self.state.jobs.start_beside(number, status);
            }
            _ => {}
        }
        number
    }

    /// What a program with these arguments can read of process substitutions, by descriptors.
    pub(super) fn open_beside(&self, argv: &[Text]) -> Vec<(u32, &[u8])> {
        let named = self.processes.iter().filter(|one| one.is_named(argv));
        named.map(|one| (one.number, one.printed.bytes())).collect()
    }

    /// Keeps of each of these as many of the last bytes as the program has left.
    pub(super) fn leave_beside(&mut self, argv: &[Text], unread: &[usize]) {
        let named = self.processes.iter_mut().filter(|one| one.is_named(argv));
        for (one, unread) in named.zip(unread) {
            let length = one.printed.len();
            one.printed = one.printed.slice(length.saturating_sub(*unread), length);
        }
    }

    /// Forgets the process substitutions of a command that has ended, all but the first `kept`.
    /// Those that read what the command has written come to their ends.
    pub(super) fn end_beside(&mut self, kept: usize) -> Result<(), Stop> {
        self.processes.truncate(kept);
        self.end_readers()
    }

    /// What a process reads whose name this text is, if it is that of one.
    pub(super) fn reader_named(&self, name: &Text) -> Option<Rc<RefCell<Text>>> {
        let (run, _) = name.runs().next()?;
        let span = run.origin.span();
        self.processes.iter().rev().find(|one| one.span == span)?.reads.clone()
    }

    /// A program may write whatever it likes to the processes whose names it is given.
    pub(super) fn write_unknown_beside(&self, argv: &[Text], span: Span) {
        let readers = self.processes.iter().filter(|one| one.is_named(argv));
        for reads in readers.filter_map(|one| one.reads.as_ref()) {
            reads.borrow_mut().push_hole(Standing::Quoted, &Origin::new(Rule::Output, span));
        }
    }

    /// What a redirection reads from, if its word is a process substitution and nothing else.
    pub(super) fn process_of(redirect: &Redirect) -> Option<&ProcessSubstitution> {
        match &redirect.word.parts[..] {
            [Part::Process(process)]
                if redirect.operator == RedirectOperator::Input
                    && process.way != ProcessWay::Reads =>
            {
                Some(process)
            }
            _ => None,
        }
    }

    /// What the process printed that this text stands for, if it stands for one.
    pub(super) fn printed_beside(&mut self, name: &Text) -> Option<Text> {
        let (run, _) = name.runs().next()?;
        let span = run.origin.span();
        let is_this = |one: &Beside| one.span == span && one.reads.is_none();
        let at = self.processes.iter().rposition(is_this)?;
        Some(self.processes.remove(at).printed)
    }
}
