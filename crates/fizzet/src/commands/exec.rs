//! `fizzet exec`: a call of the exec family, as C text.

use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;
use std::rc::Rc;

use bstr::ByteSlice;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::kernel::call::CallError;
use fizzet_core::kernel::call::faults::faults;
use fizzet_core::kernel::call::function::{Call, read, read_value};
use fizzet_core::kernel::call::value::Names;
use fizzet_core::kernel::exec::execute;
use fizzet_core::source::{SourceId, SourceKind, Sources};
use fizzet_core::state::State;
use fizzet_core::trace::Trace;
use fizzet_core::walk;
use fizzet_host::{is_variable_name, read_standard_input, stack_limit};

use crate::cli::{ExecOptions, Format, Picture};
use crate::commands::evaluation;
use crate::commands::shebang::{environment_of, machine, received};
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::{json, launch, nul};

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// A call that cannot be read; output that cannot be written.
pub fn run(options: ExecOptions) -> Result<u8, Failure> {
    evaluation::with_deep_stack(move || executed(&options))
}

fn executed(options: &ExecOptions) -> Result<u8, Failure> {
    let text = match options.call.as_bytes() {
        b"-" => read_standard_input()?,
        text => text.to_vec(),
    };
    let mut sources = Sources::new(SourceKind::Line, &text);
    let call = match understood(options, &text, &mut sources) {
        Ok(call) => call,
        Err(error) => {
            let mut page = Page::for_messages(options.output.color, options.output.width);
            launch::mistake(&mut page, &sources, &error);
            page.write(&mut io::stderr().lock())?;
            return Ok(2);
        }
    };
    let environment = environment_of(&options.caller);
    let machine = machine(&options.caller);
    let stack = options.caller.stack.unwrap_or_else(stack_limit);
    let execution = execute(&call, &machine, &mut sources, &environment, Some(stack));
    let faults = faults(&call);
    let shell =
        execution.shell_text.as_ref().map(|text| by_sh(options, text.bytes(), &environment));
    let mut out = BufWriter::new(io::stdout().lock());
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            launch::call(&mut page, &sources, &call, &execution, &faults);
            if let (true, Some(way)) =
                (options.caller.show.contains(&Picture::Memory), &execution.launch)
            {
                launch::memory(&mut page, way);
            }
            if let Some(trace) = &shell {
                launch::by_sh(&mut page, trace);
            }
            page.write(&mut out)?;
        }
        Format::Json => json::exec(&sources, &call, &execution, &faults, shell.as_ref(), &mut out)?,
        Format::Nul => nul::vector(received(execution.launch.as_ref())?, &mut out)?,
    }
    out.flush()?;
    Ok(shell.map_or(0, |trace| evaluation::status(&trace.ending)))
}

/// The call, with the names that `--let` gives values.
fn understood(
    options: &ExecOptions,
    text: &[u8],
    sources: &mut Sources,
) -> Result<Call, CallError> {
    let mut names = Names::new();
    for one in &options.lets {
        let bytes = one.as_bytes();
        let at = bytes.iter().position(|&byte| byte == b'=').unwrap_or(bytes.len());
        let name = String::from_utf8_lossy(&bytes[..at]).into_owned();
        let value = bytes.get(at + 1..).unwrap_or_default();
        let kind = SourceKind::Variable { name: bytes[..at].into(), inherited: false };
        let source = sources.add(kind, value);
        let value = read_value(value, source, &names)?;
        names.insert(name, value);
    }
    read(text, SourceId::MAIN, &names)
}

/// What `sh` makes of a text: on Debian that is dash.
fn by_sh(options: &ExecOptions, text: &[u8], environment: &[Vec<u8>]) -> Trace {
    let mut state = State::new(Dialect::of(Shell::Dash), SourceKind::Line, text);
    for string in environment {
        let Some((name, value)) = string.split_once_str("=") else { continue };
        if name == b"IFS" || !is_variable_name(name) {
            continue;
        }
        let kind = SourceKind::Variable { name: name.into(), inherited: true };
        let value = state.given(kind, value);
        state.variables.set(name, value);
        state.variables.entry(name).exported = true;
    }
    walk::line(state, Rc::new(machine(&options.caller)))
}
