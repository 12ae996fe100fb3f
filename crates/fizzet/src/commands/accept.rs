//! `fizzet accept`: does a vector satisfy a declared usage.

use std::ffi::OsString;
use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;
use std::path::Path;
use std::rc::Rc;

use fizzet_core::dialect::Dialect;
use fizzet_core::lineage::Rule;
use fizzet_core::receive::contract::check::{Outcome, check};
use fizzet_core::receive::contract::draft::draft;
use fizzet_core::receive::contract::{Contract, usage};
use fizzet_core::source::{SourceKind, Sources, Span};
use fizzet_core::text::Text;
use fizzet_core::trace::{CommandKind, Ending, Trace};
use fizzet_core::walk;
use fizzet_host::Machine;

use crate::cli::{AcceptOptions, Format, Shells};
use crate::commands::evaluation;
use crate::contract;
use crate::failure::Failure;
use crate::render::accept::{self as rendering, Judged, Mend};
use crate::render::page::Page;
use crate::render::{diagnose, json};

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// A contract or a script that cannot be used; output that cannot be written.
pub fn run(options: AcceptOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || judged(options))
}

fn judged(mut options: AcceptOptions) -> Result<u8, Failure> {
    options.evaluation.take_scenario()?;
    let mut operands = options.operands.iter();
    let file = operands.next().cloned().unwrap_or_default();
    let rest: Vec<&OsString> = operands.collect();
    if options.draft {
        return drafted(&options, Path::new(&file));
    }
    let contract = contract::read(Path::new(&file))?;
    let mut out = BufWriter::new(io::stdout().lock());
    if options.usage {
        for row in usage::help(&contract) {
            writeln!(out, "{row}")?;
        }
        return Ok(out.flush().map(|()| 0)?);
    }
    let machine = evaluation::machine(&options.evaluation)?;
    let judged = match options.from_line {
        true => match from_line(&options, &contract, &rest)? {
            Ok(judged) => judged,
            Err(status) => return Ok(status),
        },
        false => {
            let zero = contract.program.clone().into_bytes();
            let arguments = rest.iter().map(|one| one.as_bytes().to_vec());
            let vector: Vec<Vec<u8>> = [zero].into_iter().chain(arguments).collect();
            let outcome = check(&contract, &vector, &machine);
            Judged { contract: &contract, vector, outcome, mend: None }
        }
    };
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            rendering::write(&mut page, &judged);
            page.write(&mut out)?;
        }
        Format::Json => json::accept(&judged, &mut out)?,
        Format::Nul => {
            for argument in &judged.vector {
                out.write_all(argument)?;
                out.write_all(b"\0")?;
            }
        }
    }
    out.flush()?;
    Ok(u8::from(!judged.outcome.problems.is_empty()))
}

/// Writes a first contract.
fn drafted(options: &AcceptOptions, script: &Path) -> Result<u8, Failure> {
    let unusable = |why: String| Failure::Unusable {
        what: script.display().to_string(),
        why,
        hint: "give a shell script".into(),
    };
    let text = fizzet_host::read_script(script).map_err(|error| unusable(error.to_string()))?;
    let shell = match options.evaluation.shells() {
        Shells::One(shell) => shell,
        Shells::All => return Err(unusable("a script is read by one shell".into())),
    };
    let program =
        script.file_name().map_or(String::new(), |name| name.to_string_lossy().into_owned());
    let kind = SourceKind::File(script.as_os_str().as_bytes().into());
    let sources = Sources::new(kind, &text);
    match draft(&text, &program, &Dialect::of(shell)) {
        Ok(draft) => {
            let written = contract::written(&draft, &sources, &script.display().to_string());
            io::stdout().lock().write_all(written.as_bytes())?;
            Ok(0)
        }
        Err(error) => {
            let mut page = Page::for_messages(options.output.color, options.output.width);
            diagnose::ending(&mut page, shell, &sources, &Ending::Syntax(error), &[]);
            page.write(&mut io::stderr().lock())?;
            Ok(2)
        }
    }
}

/// The vector of the last program of a typed line; a status where there is none to judge.
fn from_line<'c>(
    options: &AcceptOptions,
    contract: &'c Contract,
    rest: &[&OsString],
) -> Result<Result<Judged<'c>, u8>, Failure> {
    let Some((line, arguments)) = rest.split_first() else {
        return Err(unusable_line("there is no line"));
    };
    let Shells::One(shell) = options.evaluation.shells() else {
        return Err(unusable_line("a line is read by one shell"));
    };
    let machine = Rc::new(evaluation::machine(&options.evaluation)?);
    let arguments = evaluation::taken(arguments.iter().copied());
    let evaluated = |line: &[u8]| -> Result<Trace, Failure> {
        let source = (SourceKind::Line, line);
        let dialect = Dialect::of(shell);
        let state = evaluation::starting_state(&options.evaluation, dialect, source, &arguments)?;
        Ok(walk::line(state, machine.clone()))
    };
    let trace = evaluated(line.as_bytes())?;
    let status = evaluation::status(&trace.ending);
    if status != 0 {
        let mut page = Page::for_messages(options.output.color, options.output.width);
        diagnose::ending(&mut page, trace.shell, &trace.sources, &trace.ending, &trace.missing);
        page.write(&mut io::stderr().lock())?;
        return Ok(Err(status));
    }
    let Some(vector) = vector(&trace) else { return Err(unusable_line("it launches no program")) };
    let outcome = check(contract, &vector, &*machine);
    let mend = mend(contract, &outcome, &trace, line.as_bytes(), &machine, &evaluated)?;
    Ok(Ok(Judged { contract, vector, outcome, mend }))
}

fn unusable_line(why: &str) -> Failure {
    Failure::Unusable {
        what: "accept --from-line".into(),
        why: why.into(),
        hint: "write it as in fizzet accept --from-line press.toml 'press $jar'".into(),
    }
}

fn vector(trace: &Trace) -> Option<Vec<Vec<u8>>> {
    let command = trace.commands.iter().rfind(|one| one.kind == CommandKind::External)?;
    let whole = !command.argv.iter().any(Text::has_hole);
    whole.then(|| command.argv.iter().map(|one| one.bytes().to_vec()).collect())
}

/// Which words fell apart because nobody quoted them, and the line with the quotes that mend it.
fn mend(
    contract: &Contract,
    outcome: &Outcome,
    trace: &Trace,
    line: &[u8],
    machine: &Machine,
    evaluated: &dyn Fn(&[u8]) -> Result<Trace, Failure>,
) -> Result<Option<Mend>, Failure> {
    let left_over = outcome.problems.iter().any(|one| one.name == "left-over");
    let command = trace.commands.iter().rfind(|one| one.kind == CommandKind::External);
    let (true, Some(command)) = (left_over, command) else { return Ok(None) };
    let mut words = Vec::new();
    let mut quoted: Vec<Span> = Vec::new();
    for word in command.words.iter().filter(|word| word.count > 1) {
        let bare = word
            .expansions
            .iter()
            .filter(|one| !one.quoted && matches!(one.rule, Rule::Parameter | Rule::Command));
        let spans: Vec<Span> = bare.map(|one| one.span).collect();
        if !spans.is_empty() {
            words.push((trace.sources.bytes(word.span).to_vec(), word.count));
            quoted.extend(spans);
        }
    }
    if words.is_empty() {
        return Ok(Some(Mend { words, line: None, mends: false }));
    }
    let mut mended = line.to_vec();
    quoted.sort_by_key(|span| std::cmp::Reverse(span.start));
    for span in quoted {
        mended.insert(span.end as usize, b'"');
        mended.insert(span.start as usize, b'"');
    }
    let mends = vector(&evaluated(&mended)?)
        .is_some_and(|vector| check(contract, &vector, machine).problems.is_empty());
    Ok(Some(Mend { words, line: Some(mended), mends }))
}
