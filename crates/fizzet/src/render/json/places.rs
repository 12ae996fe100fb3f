//! Traces put into the JSON shape.

use std::borrow::Cow;
use std::cell::Cell;
use std::rc::Rc;

use bstr::ByteSlice;
use fizzet_core::dialect::Shell;
use fizzet_core::lineage::Origin;
use fizzet_core::notes::Note;
use fizzet_core::outline::{Outline, OutlinedCommand, OutlinedFunction, OutlinedWord};
use fizzet_core::source::{SourceId, Sources, Span};
use fizzet_core::state::Positional;
use fizzet_core::stop::ShellError;
use fizzet_core::text::{Run, Text};
use fizzet_core::trace::{
    AssignmentTrace, CommandTrace, Ending, Missing, RedirectTrace, StageTrace, Trace, WordTrace,
};

use crate::cli::Show;
use crate::render::json::kept::Kept;
use crate::render::json::shape::{
    Arg, AssignmentOut, Command, Each, ElementOut, FunctionOut, HopOut, Line, Made, NoteOut,
    OutlineOut, OutlinedOut, OutlinedWordOut, Params, Piece, Pieces, Place, Problem, Redirection,
    StageOut, Status, WordStages,
};

/// The version of the shape.
pub(super) const VERSION: u32 = 1;

impl<'a> Arg<'a> {
    pub(super) fn of_bytes(bytes: &'a [u8], pieces: Option<Pieces<'a>>, unknown: bool) -> Self {
        let (text, hex) = text_and_hex(bytes);
        Arg { text, length: bytes.len(), hex, unknown, several: false, pieces }
    }
}

fn text_and_hex(bytes: &[u8]) -> (Cow<'_, str>, Option<String>) {
    if let Ok(text) = str::from_utf8(bytes) {
        return (text.into(), None);
    }
    let hex = bytes.iter().map(|byte| format!("{byte:02x}")).collect();
    (String::from_utf8_lossy(bytes), Some(hex))
}

/// Turns spans into places. Spans come mostly in the order of their text, so the columns of a line are
/// counted on from the latest place in it.
pub(super) struct Places<'a> {
    pub(super) sources: &'a Sources,
    /// Whether pieces tell their whole way.
    lineage: bool,
    /// Whether words tell their stages.
    stages: bool,
    latest: Cell<Option<Counted>>,
    kept: Option<Rc<Kept>>,
}

/// Where counting has come to.
#[derive(Clone, Copy)]
struct Counted {
    source: SourceId,
    at: usize,
    line: usize,
    column: usize,
}

impl<'a> Places<'a> {
    /// Places in these texts.
    pub(super) fn new(sources: &'a Sources, show: &[Show]) -> Places<'a> {
        let (lineage, stages) = (show.contains(&Show::Lineage), show.contains(&Show::Stages));
        Places { sources, lineage, stages, latest: Cell::new(None), kept: None }
    }

    /// The same, with the places that were written before.
    pub(super) fn with(self, kept: &Rc<Kept>) -> Places<'a> {
        Places { kept: Some(Rc::clone(kept)), ..self }
    }

    fn each<S, T>(
        &'a self,
        items: &'a [S],
        shape: fn(&'a Places<'a>, &'a S) -> T,
    ) -> Each<'a, S, T> {
        Each { items, places: self, shape }
    }

    pub(super) fn place(&'a self, span: Span) -> Made<Place<'a>> {
        match &self.kept {
            None => Made::Now(self.counted(span)),
            Some(kept) => kept.place(span, || self.counted(span)),
        }
    }

    fn counted(&'a self, span: Span) -> Place<'a> {
        let source = self.sources.get(span.source);
        let start = (span.start as usize).min(source.bytes.len());
        let (line, line_start) = source.line_of(start);
        // Within a line columns are counted on from the latest place.
        let (at, counted) = match self.latest.get() {
            Some(latest) if latest.source == span.source && latest.line == line => {
                if latest.at <= start { (latest.at, latest.column) } else { (line_start, 1) }
            }
            _ => (line_start, 1),
        };
        let column = counted + source.bytes[at..start].chars().count();
        self.latest.set(Some(Counted { source: span.source, at: start, line, column }));
        Place { source: source.kind.name(), start: span.start, end: span.end, line, column }
    }

    /// How a trace ended, and what is in the way.
    pub(super) fn ending(&'a self, ending: &'a Ending) -> (Status, Option<Problem<'a>>) {
        match ending {
            Ending::Complete => (Status::Complete, None),
            Ending::Incomplete => (Status::Incomplete, None),
            Ending::ShellStops(error) => {
                (Status::Complete, Some(self.problem((&*error.message).into(), error.span)))
            }
            Ending::Syntax(error) => {
                (Status::Error, Some(self.problem(error.to_string().into(), error.span)))
            }
            Ending::Stopped { message, span } => {
                (Status::Stopped, Some(self.problem(message.into(), *span)))
            }
        }
    }

    /// The document of one trace.
    pub(super) fn line(&'a self, trace: &'a Trace) -> Line<'a> {
        let (status, problem) = self.ending(&trace.ending);
        Line {
            fizzet: VERSION,
            shell: trace.shell.name(),
            status,
            commands: self.each(&trace.commands, Places::command),
            params: self.params(&trace.positional),
            notes: self.each(&trace.notes, Places::note),
            missing: self.all_missing(&trace.missing),
            mistakes: self.all_mistakes(&trace.mistakes),
            problem,
            assumed_status: trace.assumed_status,
        }
    }

    pub(super) fn params(&'a self, positional: &'a Positional) -> Params<'a> {
        Params { zero: self.arg(&positional.zero), positional: self.args(positional.all()) }
    }

    pub(super) fn args(&'a self, texts: &'a [Text]) -> Each<'a, Text, Arg<'a>> {
        self.each(texts, Places::arg)
    }

    pub(super) fn all_missing(&'a self, all: &'a [Missing]) -> Each<'a, Missing, Problem<'a>> {
        self.each(all, Places::missing)
    }

    pub(super) fn all_mistakes(
        &'a self,
        all: &'a [ShellError],
    ) -> Each<'a, ShellError, Problem<'a>> {
        self.each(all, Places::mistake)
    }

    fn mistake(&'a self, mistake: &'a ShellError) -> Problem<'a> {
        self.problem((&*mistake.message).into(), mistake.span)
    }

    fn problem(&'a self, message: Cow<'a, str>, span: Span) -> Problem<'a> {
        Problem { message, source: self.place(span) }
    }

    fn missing(&'a self, missing: &'a Missing) -> Problem<'a> {
        self.problem((&*missing.what).into(), missing.span)
    }

    pub(super) fn note(&'a self, note: &'a Note) -> NoteOut<'a> {
        NoteOut {
            name: note.name,
            message: (&*note.message).into(),
            instead: &note.instead,
            command: note.command,
            source: self.place(note.span),
        }
    }

    pub(super) fn command(&'a self, command: &'a CommandTrace) -> Command<'a> {
        Command {
            argv: self.each(&command.argv, Places::argument),
            argc: command.argv.len(),
            kind: command.kind.name(),
            source: self.place(command.span),
            assignments: self.each(&command.assignments, Places::assignment),
            redirections: self.each(&command.redirections, Places::redirection),
            stages: self.stages.then(|| self.each(&command.words, Places::word_stages)),
            way: command.way.as_ref().map(|way| self.launch(way)),
        }
    }

    fn assignment(&'a self, assignment: &'a AssignmentTrace) -> AssignmentOut<'a> {
        AssignmentOut {
            name: String::from_utf8_lossy(&assignment.name),
            index: assignment.index.as_deref().map(String::from_utf8_lossy),
            value: self.arg(&assignment.value),
            elements: assignment.elements.as_ref().map(|all| self.each(all, Places::element)),
            source: self.place(assignment.span),
        }
    }

    fn element(&'a self, (key, value): &'a (Text, Text)) -> ElementOut<'a> {
        ElementOut { key: self.arg(key), value: self.arg(value) }
    }

    fn redirection(&'a self, redirection: &'a RedirectTrace) -> Redirection<'a> {
        Redirection {
            operator: redirection.operator,
            target: self.arg(&redirection.target),
            source: self.place(redirection.span),
        }
    }

    fn word_stages(&'a self, word: &'a WordTrace) -> WordStages<'a> {
        let stages = self.each(&word.stages, Places::stage);
        WordStages { source: self.place(word.span), stages }
    }

    fn stage(&'a self, stage: &'a StageTrace) -> StageOut<'a> {
        StageOut { stage: stage.stage.name(), fields: self.each(&stage.fields, Places::arg) }
    }

    pub(super) fn arg(&'a self, text: &'a Text) -> Arg<'a> {
        let pieces = Pieces { text, places: self };
        let several = text.may_be_several();
        Arg { several, ..Arg::of_bytes(text.bytes(), Some(pieces), text.has_hole()) }
    }

    /// An argument; of one that is written in the text what was written of it before.
    fn argument(&'a self, text: &'a Text) -> Made<Arg<'a>> {
        let kept = self.kept.as_ref().filter(|_| !self.lineage && text.run_count() == 1);
        match (kept, text.runs().next()) {
            (Some(kept), Some((run, bytes))) if run.origin.is_written() && !run.hole => {
                kept.word(run.origin.span(), run.is_quoted(), bytes, || self.arg(text))
            }
            _ => Made::Now(self.arg(text)),
        }
    }

    pub(super) fn piece(&'a self, run: &'a Run, bytes: &'a [u8]) -> Piece<'a> {
        let (text, hex) = text_and_hex(bytes);
        let origin = &run.origin;
        let lineage = self.lineage.then(|| origin.hops().map(|origin| self.hop(origin)).collect());
        Piece {
            text,
            hex,
            rule: origin.rule().name(),
            unknown: run.hole,
            quoted: run.is_quoted(),
            source: self.place(origin.span()),
            lineage,
        }
    }

    fn hop(&'a self, origin: &'a Origin) -> HopOut<'a> {
        let hop = origin.hop();
        HopOut {
            rule: hop.rule.name(),
            name: hop.name.as_ref().map(|name| String::from_utf8_lossy(name)),
            shifted: hop.shifted,
            folded: origin.folded(),
            source: self.place(hop.span),
        }
    }

    /// The document of an outline.
    pub(super) fn outline(&'a self, shell: Shell, outline: &'a Outline) -> OutlineOut<'a> {
        OutlineOut {
            fizzet: VERSION,
            shell: shell.name(),
            commands: self.each(&outline.commands, Places::outlined),
            functions: self.each(&outline.functions, Places::function),
        }
    }

    fn written(&'a self, span: Span) -> Cow<'a, str> {
        String::from_utf8_lossy(self.sources.bytes(span))
    }

    fn outlined(&'a self, command: &'a OutlinedCommand) -> OutlinedOut<'a> {
        OutlinedOut {
            text: self.written(command.span),
            function: command.function.as_ref().map(|name| String::from_utf8_lossy(name)),
            words: self.each(&command.words, Places::outlined_word),
            source: self.place(command.span),
        }
    }

    fn outlined_word(&'a self, word: &'a OutlinedWord) -> OutlinedWordOut<'a> {
        OutlinedWordOut {
            text: self.written(word.span),
            makes: word.makes.name(),
            why: word.why,
            source: self.place(word.span),
        }
    }

    fn function(&'a self, function: &'a OutlinedFunction) -> FunctionOut<'a> {
        FunctionOut {
            name: String::from_utf8_lossy(&function.name),
            source: self.place(function.span),
            calls: self.each(&function.calls, |places, span| places.place(*span)),
        }
    }
}
