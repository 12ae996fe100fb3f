//! `fizzet walk`: a script, statement by statement.

use std::cell::RefCell;
use std::ffi::OsStr;
use std::io::{self, BufWriter};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use fizzet_core::dialect::Dialect;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::Trace;
use fizzet_core::walk::{self, Watched};

use crate::cli::{Format, Only, Shells, WalkOptions};
use crate::commands::{all, evaluation};
use crate::failure::Failure;
use crate::render::json::Events;
use crate::render::page::Page;
use crate::render::shells::Group;
use crate::render::timeline::Timeline;
use crate::render::{abreast, diagnose};
use crate::scenario::missing_as_toml;

/// The bytes that are written at once: files take few large pieces faster than many small ones.
const ROOM: usize = 1 << 16;

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// Arguments that cannot be used, a script that cannot be read, output that cannot be written.
pub fn run(mut options: WalkOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || {
        options.evaluation.take_scenario()?;
        let mut operands = std::mem::take(&mut options.operands).into_iter();
        let file = operands.next().unwrap_or_else(|| "-".into());
        let arguments = evaluation::taken(operands);
        let status = walked(&options, &file, &arguments);
        // The process ends here; taking very many arguments apart would only take time.
        std::mem::forget(arguments);
        status
    })
}

fn walked(options: &WalkOptions, file: &OsStr, arguments: &Rc<[Vec<u8>]>) -> Result<u8, Failure> {
    let text = evaluation::script(file)?;
    let machine = Rc::new(evaluation::machine(&options.evaluation)?);
    let start = |dialect| -> Result<State, Failure> {
        let source = (SourceKind::File(file.as_bytes().into()), &text[..]);
        let mut state =
            evaluation::starting_state(&options.evaluation, dialect, source, arguments)?;
        if options.evaluation.zero.is_none() {
            state.positional.zero = Rc::new(state.given(SourceKind::Zero, file.as_bytes()));
        }
        Ok(state)
    };
    let shell = match options.evaluation.shells() {
        Shells::One(shell) => shell,
        Shells::All => {
            let trace = |dialect| Ok(walk::line(start(dialect)?, machine.clone()));
            return walked_by_all(options, &trace);
        }
    };
    let state = start(Dialect::of(shell))?;
    let out = BufWriter::with_capacity(ROOM, io::stdout().lock());
    let watched = match options.output.format {
        Format::Text => {
            let page = Page::new(&options.output);
            let timeline = Rc::new(RefCell::new(Timeline::new(out, page, options)));
            let watched = walk::watch(state, machine, timeline.clone());
            timeline.borrow_mut().finish(&watched)?;
            watched
        }
        Format::Json => {
            let events = Rc::new(RefCell::new(Events::new(out, options)));
            let watched = walk::watch(state, machine, events.clone());
            events.borrow_mut().finish(&watched)?;
            watched
        }
        Format::Nul => {
            return Err(Failure::Unusable {
                what: "--format nul".into(),
                why: "it prints one vector, and a script makes many".into(),
                hint: "use --format json".into(),
            });
        }
    };
    let status = tell(options, &watched);
    std::mem::forget(watched);
    status
}

/// Puts what the programs of the script receive in each shell side by side.
fn walked_by_all(
    options: &WalkOptions,
    trace: &dyn Fn(Dialect) -> Result<Trace, Failure>,
) -> Result<u8, Failure> {
    if options.only == Some(Only::Params) {
        return Err(Failure::Unusable {
            what: "--only params with --shell all".into(),
            why: "it is what programs receive that is put side by side".into(),
            hint: "leave it out, or name one shell".into(),
        });
    }
    let (first, last) = options.lines.unwrap_or((1, usize::MAX));
    let last = last.min(options.until.unwrap_or(usize::MAX));
    let write = |page: &mut Page, traces: &[Trace], groups: &[Group]| {
        abreast::write(page, traces, groups, |line| (first..=last).contains(&line));
    };
    all::print(&options.output, &options.show, trace, &write)
}

/// Tells people how the walk ended, and answers the exit status.
fn tell(options: &WalkOptions, watched: &Watched) -> Result<u8, Failure> {
    let mut page = Page::for_messages(options.output.color, options.output.width);
    let shell = watched.state.dialect.shell;
    let sources = &watched.state.sources;
    if options.evaluation.missing_as_scenario && !watched.missing.is_empty() {
        page.text(&missing_as_toml(&watched.missing)?);
    } else {
        diagnose::mistakes(&mut page, shell, sources, &watched.mistakes);
        diagnose::ending(&mut page, shell, sources, &watched.ending, &watched.missing);
    }
    page.write(&mut io::stderr().lock())?;
    Ok(evaluation::status(&watched.ending))
}
