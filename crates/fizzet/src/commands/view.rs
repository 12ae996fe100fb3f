//! `fizzet view`: the vector as each language's runtime shows it to the program.

use std::ffi::{OsStr, OsString};
use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Reals, Shell};
use fizzet_core::kernel::chain::{End, given};
use fizzet_core::receive::convert::shell::SHELL_CONVERSIONS;
use fizzet_core::receive::convert::{CONVERSIONS, Outcome};
use fizzet_core::receive::read::{Reading, read, read_all};
use fizzet_core::receive::runtime::Runtime;
use fizzet_core::receive::table::RUNTIMES;
use fizzet_core::receive::view::{View, view};
use fizzet_core::source::{SourceKind, Sources};
use fizzet_core::state::Follows;
use fizzet_core::text::Text;
use fizzet_core::trace::{CommandKind, CommandTrace};
use fizzet_core::walk;
use fizzet_host::{Machine, environment_strings};

use crate::cli::{As, Format, Shells, ViewOptions};
use crate::commands::{evaluation, prove};
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::view::{self as rendering, Shown};
use crate::render::{diagnose, json};

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// Arguments that cannot be used; a line that launches nothing; output that cannot be written.
pub fn run(options: ViewOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || viewed(options))
}

fn viewed(mut options: ViewOptions) -> Result<u8, Failure> {
    options.evaluation.take_scenario()?;
    if options.output.format == Format::Nul {
        return Err(Failure::Unusable {
            what: "--format nul".into(),
            why: "each runtime has a vector of its own".into(),
            hint: "use --format text or json".into(),
        });
    }
    if options.prove {
        return prove::run(&options);
    }
    let (launched, sources) = match &options.launch {
        Some(line) => match launched(&options, line)? {
            Some((launched, sources)) => (vec![launched], sources),
            None => return Ok(3),
        },
        None => all(&options)?,
    };
    let shown: Vec<Shown> = launched.into_iter().map(|view| asked(&options, view)).collect();
    let mut out = BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Json => json::view(&sources, &shown, &mut out)?,
        _ => {
            let mut page = Page::new(&options.output);
            rendering::write(&mut page, &shown);
            page.write(&mut out)?;
        }
    }
    out.flush()?;
    Ok(0)
}

/// What is asked of a view besides the vector.
fn asked(options: &ViewOptions, view: View) -> Shown {
    let strings = environment_strings().len();
    let starts = !view.counts.is_empty() || !view.arguments.is_empty() || !view.programs.is_empty();
    let mut readings: Vec<Reading> = Vec::new();
    if starts {
        readings.extend(options.read.map(|number| read(&view, number as usize, strings)));
        let count = options.read_all.map_or(0, |count| count as usize);
        readings.extend(read_all(&view, count, strings));
    }
    let (mut conversions, mut unconverted) = (Vec::new(), Vec::new());
    for &kind in &options.conversions {
        let made = converted(&view, kind);
        if made.is_empty() && !view.arguments.is_empty() {
            unconverted.push(kind);
        }
        conversions.extend(made);
    }
    Shown { view, readings, conversions, unconverted }
}

/// What the conversions of a language make of each argument.
fn converted(view: &View, kind: As) -> Vec<rendering::Converted> {
    let host = Rc::new(Machine::at("."));
    let language = view.runtime.language;
    let shell = Shell::from_name(language);
    let mut all = Vec::new();
    for (at, argument) in view.arguments.iter().enumerate() {
        let given = argument.from.and_then(|from| view.started.argv.get(from));
        let text = given.unwrap_or(&argument.text).bytes();
        let mut add = |form: &'static str, outcome: Outcome| {
            all.push(rendering::Converted {
                number: at + 1,
                kind,
                language: view.runtime.name,
                form,
                outcome,
            });
        };
        let fitting = CONVERSIONS.iter().filter(|one| one.language == language);
        for one in fitting.filter(|one| one.is_real == (kind == As::Float)) {
            add(one.form, (one.run)(text));
        }
        let computes =
            |shell: &Shell| kind == As::Int || Dialect::of(*shell).arithmetic_reals != Reals::None;
        if let Some(shell) = shell.filter(computes) {
            for one in &SHELL_CONVERSIONS {
                add(one.form, one.of(text, shell, host.clone()));
            }
        }
    }
    all
}

/// The launch of the sample of each runtime, or of the one that is named.
fn all(options: &ViewOptions) -> Result<(Vec<View>, Sources), Failure> {
    let machine = evaluation::machine(&options.evaluation)?;
    let mut sources = Sources::new(SourceKind::Line, b"");
    let chosen = |runtime: &&Runtime| match &options.runtime {
        Some(name) => runtime.name == name,
        None => !runtime.is_alone,
    };
    let views = RUNTIMES.iter().filter(chosen).map(|runtime| {
        let argv = sample(runtime, &options.arguments, &mut sources);
        view(runtime, argv, &Sample { machine: &machine, runtime }, &mut sources)
    });
    let views = views.collect();
    Ok((views, sources))
}

/// The launch of a runtime's sample with these arguments.
pub(super) fn sample(
    runtime: &Runtime,
    arguments: &[OsString],
    sources: &mut Sources,
) -> Vec<Text> {
    let words = runtime.sample.iter().map(|word| (SourceKind::Shell, word.as_bytes()));
    let arguments = arguments.iter().enumerate();
    let arguments = arguments.map(|(at, one)| (SourceKind::Argument(at + 1), one.as_bytes()));
    words.chain(arguments).map(|(kind, word)| given(word, sources.add(kind, word))).collect()
}

/// The machine, with the program of a sample on it.
struct Sample<'a> {
    machine: &'a Machine,
    runtime: &'a Runtime,
}

impl fizzet_core::host::Named for Sample<'_> {
    fn is_there(&self, path: &[u8]) -> bool {
        self.runtime.sample.iter().any(|word| word.as_bytes() == path)
            || self.machine.is_there(path)
    }

    fn arguments(&self, path: &[u8]) -> Option<Vec<u8>> {
        self.machine.arguments(path)
    }

    fn folder(&self) -> Vec<u8> {
        self.machine.folder()
    }

    fn resolved(&self, program: &[u8]) -> Option<Vec<u8>> {
        self.machine.resolved(program)
    }
}

/// What a typed line launches; nothing, with a message, where an answer is missing.
fn launched(options: &ViewOptions, line: &OsStr) -> Result<Option<(View, Sources)>, Failure> {
    let machine = Rc::new(evaluation::machine(&options.evaluation)?);
    let Shells::One(shell) = options.evaluation.shells() else {
        return Err(Failure::Unusable {
            what: "--shell all".into(),
            why: "a program is launched by one shell".into(),
            hint: "name one shell".into(),
        });
    };
    let arguments = evaluation::taken(&options.arguments);
    let source = (SourceKind::Line, line.as_bytes());
    let dialect = Dialect::of(shell);
    let mut state = evaluation::starting_state(&options.evaluation, dialect, source, &arguments)?;
    state.follows = Some(Follows { stack: fizzet_host::stack_limit(), through: true });
    let mut trace = walk::line(state, machine.clone());
    let status = evaluation::status(&trace.ending);
    let command = trace.commands.iter().rfind(|one| one.kind == CommandKind::External).cloned();
    let holes = command.as_ref().is_some_and(|one| one.argv.iter().any(Text::has_hole));
    if status != 0 || holes {
        let mut page = Page::for_messages(options.output.color, options.output.width);
        diagnose::ending(&mut page, trace.shell, &trace.sources, &trace.ending, &trace.missing);
        page.write(&mut io::stderr().lock())?;
        return match status {
            2 => Err(unusable_line("it cannot be read")),
            _ => Ok(None),
        };
    }
    let Some(command) = command else { return Err(unusable_line("it launches no program")) };
    let (runtime, argv) = received(&command, shell, &mut trace.sources)?;
    Ok(Some((view(runtime, argv, &*machine, &mut trace.sources), trace.sources)))
}

fn unusable_line(why: &str) -> Failure {
    Failure::Unusable {
        what: "--launch LINE".into(),
        why: why.into(),
        hint: "write it as you would type it: --launch 'python3 press.py \"$1\"'".into(),
    }
}

/// The runtime that a command starts, and the vector that it receives there.
fn received(
    command: &CommandTrace,
    shell: Shell,
    sources: &mut Sources,
) -> Result<(&'static Runtime, Vec<Text>), Failure> {
    let argv = command.argv.as_ref().clone();
    // A runtime may be started by a script of its own name: that hands everything on.
    if let Some(runtime) = runtime_of(&argv) {
        return Ok((runtime, argv));
    }
    let Some(way) = &command.way else { return Ok((compiled(), argv)) };
    // So may the interpreter of a script.
    let on_the_way = way.hops.iter().find_map(|hop| Some((runtime_of(&hop.argv)?, &hop.argv)));
    if let (Some((runtime, received)), End::Runs { .. }) = (on_the_way, &way.end) {
        return Ok((runtime, received.clone()));
    }
    match &way.end {
        End::Runs { path, .. } => {
            let words: Vec<&[u8]> = way.argv.iter().skip(1).map(|one| one.bytes()).collect();
            let runtime = runtime_of(&way.argv).or_else(|| Runtime::of_program(path, &words));
            Ok((runtime.unwrap_or(compiled()), way.argv.clone()))
        }
        End::ReadByShell { path } => {
            let name = if shell == Shell::Posix { "sh" } else { shell.name() };
            let runtime = Runtime::named(name).unwrap_or(compiled());
            let source = sources.add(SourceKind::Shell, name.as_bytes());
            let file = sources.add(SourceKind::Path, path);
            let mut read = vec![given(name.as_bytes(), source), given(path, file)];
            read.extend(way.argv.iter().skip(1).cloned());
            Ok((runtime, read))
        }
        End::Fails(failure) => Err(Failure::Unusable {
            what: "--launch LINE".into(),
            why: format!(
                "{} does not run: {} ({})",
                String::from_utf8_lossy(&failure.path),
                failure.errno.name(),
                failure.why
            ),
            hint: "fizzet line --follow shows the whole way".into(),
        }),
        End::Endless => Err(unusable_line("its #! files call each other for ever")),
        End::EnvRefuses { why, .. } => Err(unusable_line(why)),
    }
}

fn runtime_of(argv: &[Text]) -> Option<&'static Runtime> {
    let words: Vec<&[u8]> = argv.iter().skip(1).map(|one| one.bytes()).collect();
    Runtime::of_program(argv.first()?.bytes(), &words)
}

/// A program of its own receives the vector as C does.
fn compiled() -> &'static Runtime {
    RUNTIMES.iter().find(|runtime| runtime.grammar.is_none()).unwrap_or(&RUNTIMES[0])
}
