//! What the descriptors of a shell lead to: what is read from them, and where what is written goes.

use std::cell::RefCell;
use std::rc::Rc;

use rustc_hash::FxHashMap;

use crate::host::Sink;
use crate::lineage::Origin;
use crate::text::{HoleName, Standing, Text};
use crate::walk::coprocesses::{Progress, Resumed, Shared};
use crate::walk::written::ReadFile;

/// A text, and how much of it has been read.
#[derive(Debug)]
pub(super) struct Reading {
    pub(super) text: Text,
    pub(super) at: usize,
    /// Where nobody knows what comes next, if that is so somewhere.
    pub(super) known_to: Option<usize>,
    /// Whether there are holes in the text.
    pub(super) has_holes: bool,
    /// Whether more comes behind the text than is kept.
    goes_on: bool,
    /// The file that it is, where that may be written meanwhile.
    file: Option<ReadFile>,
    /// Whether it has a name under which it can be opened again from its start.
    reopens: bool,
    /// Whether the shell takes its end for an empty line, again and again.
    ends_in_lines: bool,
    /// Who may write more behind the text.
    pub(super) more: More,
}

/// Who may write more behind a text that is read.
#[derive(Debug)]
pub(super) enum More {
    /// Nobody.
    None,
    /// The shell, for which the reader waits.
    Shell,
    /// A coprocess, and whether it still may.
    Coprocess(Shared, bool),
}

impl Reading {
    /// Looks whether the file has been written since.
    fn follow_file(&mut self) {
        if let Some(file) = &mut self.file
            && file.follow(&mut self.text)
        {
            self.known_to = self.text.first_unknown_line();
            self.has_holes = self.text.has_hole();
        }
    }

    /// Whether nobody knows what stands at a place.
    pub(super) fn is_unknown_at(&self, at: usize) -> bool {
        self.known_to.is_some_and(|known_to| at >= known_to)
    }
}

/// What a descriptor reads from. Copies share the place, as copies of a descriptor do.
#[derive(Clone, Default, Debug)]
pub(super) struct Input {
    reading: Option<Rc<RefCell<Reading>>>,
    /// Whether it is the standard input of the trace itself.
    is_standard: bool,
}

impl Input {
    /// An input that nobody knows.
    pub(super) fn unknown() -> Input {
        Input::default()
    }

    /// The standard input of the trace itself.
    fn standard() -> Input {
        Input { reading: None, is_standard: true }
    }

    /// Whether nobody knows all of what is read here.
    pub(super) fn is_unknown(&self) -> bool {
        match &self.reading {
            None => !self.is_standard,
            Some(_) => self.reading().is_some_and(|reading| reading.borrow().has_holes),
        }
    }

    /// A text from its start; from the first line with a hole on it is not known.
    pub(super) fn of(text: Text) -> Input {
        Input::of_text(text, None, false)
    }

    /// The text of a file, which can be opened again.
    pub(super) fn of_whole_file(text: Text) -> Input {
        Input::of_text(text, None, true)
    }

    /// A file that may be written while it is read.
    pub(super) fn of_file(file: ReadFile) -> Input {
        Input::of_text(file.text(), Some(file), true)
    }

    fn of_text(text: Text, file: Option<ReadFile>, reopens: bool) -> Input {
        let (known_to, has_holes) = (text.first_unknown_line(), text.has_hole());
        let (goes_on, ends_in_lines) = (false, false);
        let more = More::None;
        let reading = Reading {
            text,
            at: 0,
            known_to,
            has_holes,
            goes_on,
            file,
            reopens,
            ends_in_lines,
            more,
        };
        Input { reading: Some(Rc::new(RefCell::new(reading))), is_standard: false }
    }

    /// What a coprocess prints.
    pub(super) fn of_process(process: Shared) -> Input {
        let input = Input::of(Text::new());
        if let Some(reading) = &input.reading {
            reading.borrow_mut().more = More::Coprocess(process, true);
        }
        input
    }

    /// The same, with an end that the shell has not written yet.
    pub(super) fn waiting(self) -> Input {
        if let Some(reading) = &self.reading {
            reading.borrow_mut().more = More::Shell;
        }
        self
    }

    /// Whether more may come behind what there is.
    pub(super) fn is_cut_short(&self) -> bool {
        let Some(reading) = &self.reading else { return false };
        matches!(reading.borrow().more, More::Shell | More::Coprocess(_, true))
    }

    /// Whether it is a coprocess that reads it, and waits for the shell.
    pub(super) fn waits_for_shell(&self) -> bool {
        self.reading.as_ref().is_some_and(|reading| matches!(reading.borrow().more, More::Shell))
    }

    /// The coprocess that writes it.
    pub(super) fn coprocess(&self) -> Option<Shared> {
        match &self.reading.as_ref()?.borrow().more {
            More::Coprocess(process, _) => Some(process.clone()),
            More::None | More::Shell => None,
        }
    }

    /// Takes over what the coprocess has printed since.
    pub(super) fn follow_coprocess(&self) {
        let Some(mut reading) = self.reading.as_ref().map(|one| one.borrow_mut()) else { return };
        let More::Coprocess(process, _) = &reading.more else { return };
        let process = process.clone();
        // One that asks for itself is told nothing.
        let Ok(printed) = process.try_borrow().map(|one| one.printed()) else { return };
        reading.known_to = printed.text.first_unknown_line();
        reading.has_holes = printed.text.has_hole();
        reading.text = printed.text;
        reading.goes_on = printed.is_endless;
        reading.more = More::Coprocess(process, printed.goes_on);
    }

    /// What is read under the name of a descriptor in `/dev/fd`: a file from its start, and what comes next
    /// from anything else.
    pub(super) fn opened_again(&self) -> Input {
        let Some(reading) = self.reading() else { return self.clone() };
        let reading = reading.borrow();
        match reading.reopens {
            true => Input::of_text(reading.text.clone(), reading.file.clone(), true),
            false => self.clone(),
        }
    }

    /// The text and the place in it; `None` where nobody knows.
    pub(super) fn reading(&self) -> Option<&RefCell<Reading>> {
        let reading = self.reading.as_deref()?;
        reading.borrow_mut().follow_file();
        Some(reading)
    }

    /// What has not been read yet, which is read by that.
    pub(super) fn rest(&self) -> Option<Text> {
        let mut reading = self.reading()?.borrow_mut();
        if reading.has_holes || matches!(reading.more, More::Shell | More::Coprocess(_, true)) {
            return None;
        }
        let length = reading.text.len();
        let at = std::mem::replace(&mut reading.at, length);
        Some(reading.text.slice(at.min(length), length))
    }

    /// The same, with more behind it than is kept.
    pub(super) fn flooded(self) -> Input {
        if let Some(reading) = &self.reading {
            reading.borrow_mut().goes_on = true;
        }
        self
    }

    /// The same, with an end that is read as an empty line, again and again.
    pub(super) fn ending_in_lines(self) -> Input {
        if let Some(reading) = &self.reading {
            reading.borrow_mut().ends_in_lines = true;
        }
        self
    }

    /// Whether its end is read as an empty line.
    pub(super) fn ends_in_lines(&self) -> bool {
        self.reading().is_some_and(|reading| reading.borrow().ends_in_lines)
    }

    /// Whether so much has been read that the next bytes are not kept.
    pub(super) fn overflows(&self) -> bool {
        self.reading().is_some_and(|reading| {
            let reading = reading.borrow();
            reading.goes_on && reading.at >= reading.text.len()
        })
    }

    /// Puts the last bytes back, which whoever took the rest has left.
    pub(super) fn leave(&self, bytes: usize) {
        if let Some(reading) = self.reading() {
            let mut reading = reading.borrow_mut();
            reading.at = reading.text.len().saturating_sub(bytes);
        }
    }
}

/// Where what is written to a descriptor goes.
#[derive(Clone)]
pub(super) enum Output {
    /// Somebody reads it: the next command of a pipeline, a command substitution.
    Kept(Rc<RefCell<Text>>),
    /// The person who runs the script sees it.
    Shown,
    /// The same, as messages.
    Messages,
    /// A file that is only kept in memory.
    Written(Rc<RefCell<Text>>),
    /// A real file.
    Performed(Rc<dyn Sink>),
    /// Nothing comes of it.
    Nowhere,
    /// A device that is always full: nothing can be written.
    Full,
    /// All of these.
    All(Rc<[Output]>),
    /// Where a coprocess writes to that may be carried out again.
    Resumed(Rc<Resumed<Output>>),
}

impl Output {
    /// The same, where only what a coprocess has not written before arrives.
    pub(super) fn resumed(self, progress: &Rc<Progress>) -> Output {
        Output::Resumed(Rc::new(Resumed { inner: self, progress: progress.clone() }))
    }

    /// Whether both lead to the same place.
    pub(super) fn is_same(&self, other: &Output) -> bool {
        match (self, other) {
            (Output::Kept(one), Output::Kept(other))
            | (Output::Written(one), Output::Written(other)) => Rc::ptr_eq(one, other),
            (Output::Performed(one), Output::Performed(other)) => Rc::ptr_eq(one, other),
            (Output::Shown, Output::Shown) => true,
            (Output::Resumed(one), other) | (other, Output::Resumed(one)) => {
                one.inner.is_same(other)
            }
            _ => false,
        }
    }

    /// Whether it leads to a place, among others or alone.
    pub(super) fn leads_to(&self, place: &Output) -> bool {
        match self {
            Output::All(all) => all.iter().any(|one| one.leads_to(place)),
            one => one.is_same(place),
        }
    }

    /// Whether it is what another command, or a substitution, reads.
    pub(super) fn is_piped(&self) -> bool {
        match self {
            Output::Resumed(one) => one.inner.is_piped(),
            one => matches!(one, Output::Kept(_)),
        }
    }

    /// Puts a hole into every text that is kept; answers whether there is one.
    pub(super) fn push_hole(&self, name: Option<HoleName>, origin: &Origin) -> bool {
        match self {
            Output::Kept(text) | Output::Written(text) => {
                text.borrow_mut().push_named_hole(name, Standing::Quoted, origin);
                true
            }
            Output::All(all) => {
                all.iter().map(|one| one.push_hole(name, origin)).filter(|kept| *kept).count() > 0
            }
            Output::Resumed(one) => one.progress.is_done() || one.inner.push_hole(name, origin),
            _ => false,
        }
    }
}

/// The descriptors that are open.
#[derive(Clone)]
pub(super) struct Descriptors {
    inputs: FxHashMap<u32, Input>,
    outputs: FxHashMap<u32, Output>,
}

impl Descriptors {
    /// What stands for the coprocess that `p` names: no descriptor has that number.
    pub(super) const COPROCESS: u32 = u32::MAX - 1;

    /// Leads all output through what passes on only what a coprocess has not written before.
    pub(super) fn resume(&mut self, progress: &Rc<Progress>) {
        for output in self.outputs.values_mut() {
            *output = output.clone().resumed(progress);
        }
    }

    /// Closes the half of a descriptor that is read.
    pub(super) fn close_input(&mut self, descriptor: u32) {
        self.inputs.remove(&descriptor);
    }

    /// Closes the half of a descriptor that is written.
    pub(super) fn close_output(&mut self, descriptor: u32) {
        self.outputs.remove(&descriptor);
    }

    /// Makes a descriptor lead to what the coprocess prints, or to what it reads.
    pub(super) fn lead_to_coprocess(&mut self, descriptor: u32, reads: bool) {
        let (input, output) =
            (self.inputs.get(&Self::COPROCESS), self.outputs.get(&Self::COPROCESS));
        match reads {
            true => self.lead(descriptor, input.cloned(), None),
            false => self.lead(descriptor, None, output.cloned()),
        }
    }

    /// Whether there is a coprocess to read from, or to write to.
    pub(super) fn has_coprocess(&self, reads: bool) -> bool {
        match reads {
            true => self.inputs.contains_key(&Self::COPROCESS),
            false => self.outputs.contains_key(&Self::COPROCESS),
        }
    }

    /// Those at the start: standard input, which nobody knows, and what people see.
    pub(super) fn new() -> Descriptors {
        let mut all = Descriptors { inputs: FxHashMap::default(), outputs: FxHashMap::default() };
        all.inputs.insert(0, Input::standard());
        all.outputs.insert(1, Output::Shown);
        all.outputs.insert(2, Output::Messages);
        all
    }

    /// What a descriptor reads from: one that nothing has opened is not known, and one that can only be written
    /// gives nothing.
    pub(super) fn input(&self, descriptor: u32) -> Input {
        match self.inputs.get(&descriptor) {
            Some(input) => input.clone(),
            None if self.is_only_written(descriptor) => Input::of(Text::new()),
            None => Input::unknown(),
        }
    }

    /// Where a descriptor writes to; `None` if it is closed.
    pub(super) fn output(&self, descriptor: u32) -> Option<&Output> {
        self.outputs.get(&descriptor)
    }

    /// The descriptor that a path names.
    pub(super) fn named(path: &[u8]) -> Option<u32> {
        match path {
            b"/dev/stdin" => return Some(0),
            b"/dev/stdout" => return Some(1),
            b"/dev/stderr" => return Some(2),
            _ => {}
        }
        let folders = [&b"/dev/fd/"[..], b"/proc/self/fd/"];
        let digits = folders.iter().find_map(|folder| path.strip_prefix(*folder))?;
        std::str::from_utf8(digits).ok()?.parse().ok()
    }

    /// Whether a descriptor is open.
    pub(super) fn is_open(&self, descriptor: u32) -> bool {
        self.inputs.contains_key(&descriptor) || self.outputs.contains_key(&descriptor)
    }

    /// Whether a descriptor leads to what can only be written.
    pub(super) fn is_only_written(&self, descriptor: u32) -> bool {
        let leads = |output: &Output| {
            matches!(output, Output::Kept(_) | Output::Written(_) | Output::Performed(_))
        };
        !self.inputs.contains_key(&descriptor) && self.outputs.get(&descriptor).is_some_and(leads)
    }

    /// Opens a descriptor for reading.
    pub(super) fn read_from(&mut self, descriptor: u32, input: Input) {
        self.outputs.remove(&descriptor);
        self.inputs.insert(descriptor, input);
    }

    /// Opens a descriptor for writing.
    pub(super) fn write_to(&mut self, descriptor: u32, output: Output) {
        self.inputs.remove(&descriptor);
        self.outputs.insert(descriptor, output);
    }

    /// Opens a descriptor for reading a second time: first the one text, then the other.
    pub(super) fn also_read_from(&mut self, descriptor: u32, input: Input) {
        if !self.is_open(descriptor) {
            return self.read_from(descriptor, input);
        }
        let whole = match (self.input(descriptor).rest(), input.rest()) {
            (Some(mut first), Some(second)) => {
                first.push_text(&second);
                Input::of(first)
            }
            _ => Input::unknown(),
        };
        self.read_from(descriptor, whole);
    }

    /// Opens a descriptor for writing a second time: what is written goes to both.
    pub(super) fn also_write_to(&mut self, descriptor: u32, output: Output) {
        let both = match self.outputs.get(&descriptor) {
            Some(first) => Output::All([first.clone(), output].into()),
            None => output,
        };
        self.write_to(descriptor, both);
    }

    /// Opens a descriptor for both.
    pub(super) fn open_both(&mut self, descriptor: u32, input: Input, output: Output) {
        self.inputs.insert(descriptor, input);
        self.outputs.insert(descriptor, output);
    }

    /// Makes a descriptor a copy of another.
    pub(super) fn duplicate(&mut self, descriptor: u32, from: u32) {
        let (input, output) = (self.inputs.get(&from).cloned(), self.outputs.get(&from).cloned());
        self.lead(descriptor, input, output);
    }

    /// Makes a descriptor lead where it leads among others.
    pub(super) fn take_over(&mut self, descriptor: u32, others: &Descriptors) {
        let input = others.inputs.get(&descriptor).cloned();
        self.lead(descriptor, input, others.outputs.get(&descriptor).cloned());
    }

    fn lead(&mut self, descriptor: u32, input: Option<Input>, output: Option<Output>) {
        self.close(descriptor);
        self.inputs.extend(input.map(|input| (descriptor, input)));
        self.outputs.extend(output.map(|output| (descriptor, output)));
    }

    /// Closes a descriptor.
    pub(super) fn close(&mut self, descriptor: u32) {
        self.inputs.remove(&descriptor);
        self.outputs.remove(&descriptor);
    }
}
