//! `walk` as JSON Lines: one object an event, written as it happens.

use std::io::{self, Write};
use std::rc::Rc;

use fizzet_core::notes::Watch;
use fizzet_core::text::Text;
use fizzet_core::trace::CommandTrace;
use fizzet_core::walk::{Cause, Change, Moment, Observer, Refusal, Wants, Watched};
use serde::Serialize;

use crate::cli::{Only, Show, WalkOptions};
use crate::failure::Failure;
use crate::render::json::kept::Kept;
use crate::render::json::places::{Places, VERSION};
use crate::render::json::shape::{End, Event, ParamsEvent};
use crate::render::timeline::Selection;

/// Writes the events.
pub struct Events<W> {
    out: W,
    selection: Selection,
    show: Vec<Show>,
    only: Option<Only>,
    notes: Watch,
    kept: Rc<Kept>,
    /// Whether the latest command is none that is asked for.
    silent: bool,
    failure: Option<Failure>,
}

impl<W: Write> Events<W> {
    /// A stream that has told nothing yet.
    pub fn new(out: W, options: &WalkOptions) -> Events<W> {
        Events {
            out,
            selection: Selection::new(options),
            show: options.show.clone(),
            only: options.only,
            notes: Watch::default(),
            kept: Rc::default(),
            silent: false,
            failure: None,
        }
    }

    fn write(&mut self, event: &impl Serialize) -> Result<(), Refusal> {
        let written = serde_json::to_writer(&mut self.out, event)
            .map_err(io::Error::from)
            .and_then(|()| self.out.write_all(b"\n"));
        written.map_err(|error| {
            self.failure = Some(error.into());
            Refusal::Enough
        })
    }

    /// Writes the last event, and flushes.
    ///
    /// # Errors
    /// What the writer said at any time.
    pub fn finish(&mut self, watched: &Watched) -> Result<(), Failure> {
        if self.failure.is_none() {
            let places = Places::new(&watched.state.sources, &self.show);
            let (status, problem) = places.ending(&watched.ending);
            let end = Event::End(End {
                fizzet: VERSION,
                shell: watched.state.dialect.shell.name(),
                status,
                steps: watched.state.steps,
                exit: watched.state.status,
                left_early: watched.left_early,
                params: places.params(&watched.state.positional),
                missing: places.all_missing(&watched.missing),
                mistakes: places.all_mistakes(&watched.mistakes),
                problem,
                assumed_status: watched.state.assumed_status,
            });
            // A refusal is in `failure` by now.
            let _ = self.write(&end);
        }
        match self.failure.take() {
            Some(failure) => Err(failure),
            None => Ok(self.out.flush()?),
        }
    }
}

impl<W: Write> Observer for Events<W> {
    fn wants(&self) -> Wants {
        self.selection.wants()
    }

    fn command(&mut self, moment: Moment<'_>, command: CommandTrace) -> Result<(), Refusal> {
        self.silent = !self.selection.covers(moment, command.span)?;
        if self.silent || self.only == Some(Only::Params) {
            return Ok(());
        }
        let places = Places::new(moment.sources, &self.show).with(&self.kept);
        self.write(&Event::Command(places.command(&command)))?;
        for note in self.notes.look(moment.sources, &command) {
            self.write(&Event::Note(places.note(&note)))?;
        }
        Ok(())
    }

    fn params(&mut self, moment: Moment<'_>, change: Change<'_>) -> Result<(), Refusal> {
        if !self.selection.covers(moment, change.span)? {
            return Ok(());
        }
        let places = Places::new(moment.sources, &self.show).with(&self.kept);
        let by = match change.cause {
            Cause::Shift(by) => Some(by),
            _ => None,
        };
        // What `shift` leaves and `return` brings back is known from before.
        let listed = !matches!(change.cause, Cause::Shift(_) | Cause::Return);
        let event = ParamsEvent {
            cause: change.cause.name(),
            by,
            before: change.before.count(),
            count: change.after.count(),
            positional: listed.then(|| places.args(change.after.all())),
            source: places.place(change.span),
        };
        self.write(&Event::Params(event))
    }

    fn output(&mut self, moment: Moment<'_>, text: &Text) -> Result<(), Refusal> {
        if self.silent {
            return Ok(());
        }
        let places = Places::new(moment.sources, &self.show).with(&self.kept);
        self.write(&Event::Output(places.arg(text)))
    }
}
