//! `fizzet line`: one typed line.

use std::ffi::OsString;
use std::io::{self, Write};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use bstr::ByteSlice;
use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::notes;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::{Ending, Trace};
use fizzet_core::walk;
use fizzet_host::{Machine, check_folder, environment, environment_source, read_standard_input};

use crate::cli::{Format, LineOptions, Shells, Show};
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::shells::{self, Group, Outcome};
use crate::render::{diagnose, json, line, nul};

/// The stack that a trace gets; deep input is refused long before it is used up.
const STACK: usize = 512 << 20;

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// Arguments that cannot be used, input that cannot be read, output that cannot be written.
pub fn run(options: LineOptions) -> Result<u8, Failure> {
    let worker = std::thread::Builder::new().stack_size(STACK).spawn(move || traced(options));
    let unusable = |why: String| Failure::Unusable {
        what: "a thread for the trace".into(),
        why,
        hint: "the system refuses the memory for it".into(),
    };
    let worker = worker.map_err(|error| unusable(error.to_string()))?;
    worker.join().map_err(|_| unusable("it ended by a defect of Fizzet".into()))?
}

fn traced(options: LineOptions) -> Result<u8, Failure> {
    let mut operands = options.operands.iter();
    let text = line_text(operands.next().map_or(&b""[..], |line| line.as_bytes()))?;
    let arguments: Vec<&[u8]> = operands.map(|argument| argument.as_bytes()).collect();
    check_folder(&options.dir).map_err(|error| Failure::Unusable {
        what: format!("--dir {}", options.dir.display()),
        why: error.to_string(),
        hint: "name a folder that can be read; pathnames are looked up there".into(),
    })?;
    let machine = Rc::new(machine(&options)?);
    let trace = |dialect: Dialect| {
        let state = starting_state(&options, dialect, &text, &arguments)?;
        Ok(walk::line(state, machine.clone()))
    };
    match options.shell {
        Shells::One(shell) => {
            let mut found = trace(Dialect::of(shell))?;
            if options.output.format != Format::Nul && notes::counts_may_differ(&found) {
                let others = Shell::ALL.into_iter().filter(|&other| other != shell);
                let others: Vec<Trace> =
                    others.map(|other| trace(Dialect::of(other))).collect::<Result<_, _>>()?;
                found.notes.extend(notes::counts(&found, &others));
            }
            print(&options, &found)
        }
        Shells::All => print_all(&options, &trace),
    }
}

/// The machine that the trace asks, with the answers that were given.
fn machine(options: &LineOptions) -> Result<Machine, Failure> {
    let mut machine = Machine::at(&options.dir);
    for answer in &options.answers {
        let Some((command, output)) = answer.as_bytes().split_once_str("=") else {
            return Err(Failure::Unusable {
                what: format!("--answer {}", answer.display()),
                why: "there is no = in it".into(),
                hint: "write --answer 'COMMAND=OUTPUT', with the command as its arguments, joined by spaces".into(),
            });
        };
        machine.answer_with(command, output);
    }
    Ok(machine)
}

/// Traces with the rules of every shell and prints what came of it side by side.
fn print_all(
    options: &LineOptions,
    trace: &dyn Fn(Dialect) -> Result<Trace, Failure>,
) -> Result<u8, Failure> {
    let traces: Vec<Trace> =
        Shell::ALL.into_iter().map(|shell| trace(Dialect::of(shell))).collect::<Result<_, _>>()?;
    let outcome = |dialect: &Dialect| trace(dialect.clone()).map(|one| Outcome::of(&one)).ok();
    let groups = Group::all(&traces, &outcome);
    let mut out = io::BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            shells::write(&mut page, &traces, &groups);
            page.write(&mut out)?;
        }
        Format::Json => json::shells(&traces, &groups, &options.show, &mut out)?,
        Format::Nul => {
            return Err(Failure::Unusable {
                what: "--format nul".into(),
                why: "it prints one vector, and --shell all makes several".into(),
                hint: "name one shell, or use --format json".into(),
            });
        }
    }
    out.flush()?;
    Ok(traces.iter().map(|trace| ended(trace).0).max().unwrap_or(0))
}

fn line_text(given: &[u8]) -> Result<Vec<u8>, Failure> {
    if given != b"-" {
        return Ok(given.to_vec());
    }
    let mut text = read_standard_input().map_err(|error| Failure::Unusable {
        what: "standard input".into(),
        why: error.to_string(),
        hint: "give the line as an argument instead".into(),
    })?;
    if text.last() == Some(&b'\n') {
        text.pop();
    }
    Ok(text)
}

/// The shell as it stands before the first word is read.
fn starting_state(
    options: &LineOptions,
    dialect: Dialect,
    text: &[u8],
    arguments: &[&[u8]],
) -> Result<State, Failure> {
    let mut state = State::new(dialect, SourceKind::Line, text);
    state.keeps_stages = options.show.contains(&Show::Stages);
    state.limits.steps = options.max_steps.unwrap_or(state.limits.steps);
    state.limits.bytes = options.max_bytes.unwrap_or(state.limits.bytes);
    if !options.clean {
        for (name, value) in environment() {
            // A shell takes IFS from nobody.
            if name == b"IFS" {
                continue;
            }
            let value = state.given(environment_source(&name), &value);
            state.variables.set(&name, value);
            state.variables.entry(&name).exported = true;
        }
    }
    if let Some(home) = &options.home {
        let kind = SourceKind::Variable { name: b"HOME"[..].into(), inherited: false };
        let home = state.given(kind, home.as_bytes());
        state.variables.set(b"HOME", home);
        state.variables.entry(b"HOME").exported = true;
    }
    for assignment in &options.vars {
        let (name, value) = variable(assignment)?;
        let kind = SourceKind::Variable { name: name.into(), inherited: false };
        let value = state.given(kind, value);
        state.variables.set(name, value);
    }
    if let Some(ifs) = &options.ifs {
        let kind = SourceKind::Variable { name: b"IFS"[..].into(), inherited: false };
        let value = state.given(kind, &unescaped(ifs.as_bytes()));
        state.variables.set(b"IFS", value);
    }
    for name in &options.unset {
        state.variables.remove(checked_name(name.as_bytes(), "--unset NAME")?);
    }
    if let Some(zero) = &options.zero {
        let zero = state.given(SourceKind::Zero, zero.as_bytes());
        state.positional.zero = zero;
    }
    let parameters = arguments
        .iter()
        .enumerate()
        .map(|(at, argument)| state.given(SourceKind::Argument(at + 1), argument))
        .collect();
    state.positional.set(parameters);
    Ok(state)
}

fn variable(assignment: &OsString) -> Result<(&[u8], &[u8]), Failure> {
    let bytes = assignment.as_bytes();
    let Some((name, value)) = bytes.split_once_str("=") else {
        return Err(Failure::Unusable {
            what: format!("--var {}", assignment.display()),
            why: "there is no = in it".into(),
            hint: "write --var NAME=VALUE".into(),
        });
    };
    Ok((checked_name(name, "--var NAME=VALUE")?, value))
}

fn checked_name<'n>(name: &'n [u8], usage: &str) -> Result<&'n [u8], Failure> {
    let starts = name.first().is_some_and(|&byte| byte.is_ascii_alphabetic() || byte == b'_');
    if starts && name.iter().all(|&byte| byte.is_ascii_alphanumeric() || byte == b'_') {
        return Ok(name);
    }
    Err(Failure::Unusable {
        what: format!("the name in {usage}"),
        why: format!("`{}` is not a name", name.as_bstr()),
        hint: "use letters, digits and underscores, not beginning with a digit".into(),
    })
}

/// `\t`, `\n` and `\\` of `--ifs`; any other backslash stands for itself.
fn unescaped(text: &[u8]) -> Vec<u8> {
    let mut out = Vec::with_capacity(text.len());
    let mut rest = text;
    while let [byte, after @ ..] = rest {
        let escaped = match (byte, after.first()) {
            (b'\\', Some(b't')) => Some(b'\t'),
            (b'\\', Some(b'n')) => Some(b'\n'),
            (b'\\', Some(b'\\')) => Some(b'\\'),
            _ => None,
        };
        out.push(escaped.unwrap_or(*byte));
        rest = if escaped.is_some() { &after[1..] } else { after };
    }
    out
}

/// The exit status for a trace, and whether it is whole.
fn ended(trace: &Trace) -> (u8, bool) {
    match &trace.ending {
        Ending::Complete | Ending::ShellStops(_) => (0, true),
        Ending::Syntax(_) => (2, false),
        Ending::Incomplete => (3, false),
        Ending::Stopped { .. } => (4, false),
    }
}

/// Prints a trace and answers the exit status.
fn print(options: &LineOptions, trace: &Trace) -> Result<u8, Failure> {
    let (status, whole) = ended(trace);
    let mut out = io::BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text if trace.commands.is_empty() && !whole => {}
        Format::Text => {
            let mut page = Page::new(&options.output);
            line::write(&mut page, trace, &options.show);
            page.write(&mut out)?;
        }
        Format::Json => json::line(trace, &options.show, &mut out)?,
        // A vector with a hole in it must not look like a whole one.
        Format::Nul if whole => nul::line(trace, &mut out)?,
        Format::Nul => {}
    }
    out.flush()?;
    let mut page = Page::for_messages(options.output.color, options.output.width);
    diagnose::ending(&mut page, trace);
    page.write(&mut io::stderr().lock())?;
    Ok(status)
}

#[cfg(test)]
mod tests {
    use super::unescaped;

    #[test]
    fn ifs_knows_three_escapes() {
        assert_eq!(unescaped(br"\t\n\\:\x"), b"\t\n\\:\\x");
    }
}
