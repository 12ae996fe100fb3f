//! `fizzet spread`: all parameters in every spelling.

use std::cell::RefCell;
use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::source::{SourceId, SourceKind};
use fizzet_core::spread::{self, FORMS, Form, SEPARATORS};
use fizzet_core::state::State;
use fizzet_core::text::Text;
use fizzet_core::trace::CommandTrace;
use fizzet_core::walk::{self, Moment, Observer, Refusal};
use fizzet_host::Machine;

use crate::cli::{Format, Shells, SpreadOptions};
use crate::commands::evaluation;
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::spread::{Other, Row, Table};
use crate::render::{self, json};

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// A script that cannot be read or does not reach the line; output that cannot be written.
pub fn run(options: SpreadOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || spread_out(&options))
}

fn spread_out(options: &SpreadOptions) -> Result<u8, Failure> {
    let Shells::One(shell) = options.shell else {
        return Err(Failure::Unusable {
            what: "--shell all".into(),
            why: "every shell is looked at anyway".into(),
            hint: "name the one that the others are compared with".into(),
        });
    };
    let standing = standing(options, shell)?;
    let table = table(shell, &standing);
    let mut out = BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            render::spread::write(&mut page, &table);
            page.write(&mut out)?;
        }
        Format::Json => json::spread(&table, &mut out)?,
        Format::Nul => {
            return Err(Failure::Unusable {
                what: "--format nul".into(),
                why: "it prints one vector, and there are many forms".into(),
                hint: "use --format json".into(),
            });
        }
    }
    out.flush()?;
    Ok(0)
}

/// The parameters and the IFS in question.
struct Standing {
    parameters: Rc<[Vec<u8>]>,
    /// The value of IFS; `None` when it is unset.
    ifs: Option<Vec<u8>>,
}

impl Standing {
    fn state(&self, shell: Shell, form: Form, ifs: Option<&[u8]>) -> State {
        let mut state = State::new(Dialect::of(shell), SourceKind::Line, form.text.as_bytes());
        state.give_arguments(&self.parameters);
        match ifs {
            Some(value) => {
                let kind = SourceKind::Variable { name: b"IFS"[..].into(), inherited: false };
                let value = state.given(kind, value);
                state.variables.set(b"IFS", value);
            }
            None => {
                state.variables.remove(b"IFS");
            }
        }
        state
    }
}

fn standing(options: &SpreadOptions, shell: Shell) -> Result<Standing, Failure> {
    let given = evaluation::taken(&options.arguments);
    let ifs = options.ifs.as_ref().map(|ifs| evaluation::unescaped(ifs.as_bytes()));
    let (Some(script), Some(at)) = (&options.script, options.at) else {
        let ifs = Some(ifs.unwrap_or_else(|| b" \t\n".to_vec()));
        return Ok(Standing { parameters: given, ifs });
    };
    let text = evaluation::script(script)?;
    let kind = SourceKind::File(script.as_bytes().into());
    let mut state = State::new(Dialect::of(shell), kind, &text);
    state.give_arguments(&given);
    let machine = Rc::new(Machine::at("."));
    let watched = walk::watch(state, machine, Rc::new(RefCell::new(UpTo(at))));
    if !watched.left_early {
        return Err(Failure::Unusable {
            what: format!("--at {at}"),
            why: "no command on that line is carried out".into(),
            hint: "fizzet walk shows which lines are reached".into(),
        });
    }
    let bytes = |text: &Text| text.bytes().to_vec();
    let parameters = watched.state.positional.all().iter().map(bytes).collect();
    let ifs = ifs.or_else(|| watched.state.variables.scalar(b"IFS").map(bytes));
    Ok(Standing { parameters, ifs })
}

/// Has enough at the first command on a line.
struct UpTo(usize);

impl Observer for UpTo {
    fn command(&mut self, moment: Moment<'_>, command: CommandTrace) -> Result<(), Refusal> {
        let here = command.span.source == SourceId::MAIN;
        match here && moment.sources.position(command.span).line == self.0 {
            true => Err(Refusal::Enough),
            false => Ok(()),
        }
    }
}

fn table(shell: Shell, standing: &Standing) -> Table {
    let made =
        |shell, form, ifs: Option<&[u8]>| spread::arguments(standing.state(shell, form, ifs));
    let chosen = standing.ifs.as_deref();
    let row = |form, ifs: Option<&[u8]>| {
        let arguments = made(shell, form, ifs);
        let mut others: Vec<Other> = Vec::new();
        for other in Shell::ALL.into_iter().filter(|&other| other != shell) {
            let there = made(other, form, ifs);
            if there == arguments {
                continue;
            }
            match others.iter_mut().find(|one| one.arguments == there) {
                Some(one) => one.shells.push(other),
                None => others.push(Other { shells: vec![other], arguments: there }),
            }
        }
        Row { form: form.name, arguments, others }
    };
    let each = |ifs| FORMS.iter().map(|&form| row(form, ifs)).collect();
    Table {
        shell,
        parameters: standing.parameters.clone(),
        ifs: standing.ifs.clone(),
        rows: each(chosen),
        by_ifs: SEPARATORS.iter().map(|one| (one.name, each(one.value))).collect(),
    }
}
