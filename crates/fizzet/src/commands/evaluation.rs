//! What all commands that evaluate shell text begin with: the machine, the shell at its start, room.

use std::ffi::{OsStr, OsString};
use std::os::unix::ffi::{OsStrExt, OsStringExt};
use std::path::Path;
use std::rc::Rc;

use bstr::ByteSlice;
use fizzet_core::dialect::Dialect;
use fizzet_core::host::Answer;
use fizzet_core::source::SourceKind;
use fizzet_core::state::{Follows, State};
use fizzet_core::trace::Ending;
use fizzet_host::{
    Machine, check_folder, environment, environment_source, is_variable_name, read_script,
    read_standard_input, stack_limit,
};

use crate::cli::{EvaluationOptions, Shells};
use crate::failure::Failure;

/// The stack that a trace gets; deep input is refused long before it is used up.
const STACK: usize = 512 << 20;

/// Does something with a stack that deep input does not use up, and without the start of a thread.
///
/// # Errors
/// What it says.
pub(super) fn with_deep_stack(work: impl FnOnce() -> Result<u8, Failure>) -> Result<u8, Failure> {
    stacker::grow(STACK, work)
}

/// The machine that the trace asks, with the answers that were given.
///
/// # Errors
/// A folder that cannot be read, or an answer that is none.
pub(super) fn machine(options: &EvaluationOptions) -> Result<Machine, Failure> {
    let folder = options.dir.as_deref().unwrap_or(Path::new("."));
    check_folder(folder).map_err(|error| Failure::Unusable {
        what: format!("--dir {}", folder.display()),
        why: error.to_string(),
        hint: "name a folder that can be read; pathnames are looked up there".into(),
    })?;
    let mut machine = Machine::at(folder);
    if let Some(files) = &options.besides.files {
        machine.pretend(files.iter().map(|file| file.as_bytes().to_vec()).collect());
    }
    if options.allow_run {
        let refused = |why: &str, hint: &str| {
            let what = "--allow-run".into();
            Err(Failure::Unusable { what, why: why.into(), hint: hint.into() })
        };
        match options.shells() {
            Shells::All => {
                return refused("every shell would run every program again", "name one shell");
            }
            _ if options.besides.files.is_some() => {
                return refused(
                    "the scenario pretends which files there are, and programs would see others",
                    "leave files out of the scenario",
                );
            }
            Shells::One(_) => machine.allow_running(),
        }
    }
    for given in &options.besides.answers {
        let output = given.output.as_ref().map(|output| output.as_bytes().to_vec());
        let answer = Answer { output, status: Some(given.status.unwrap_or(0)) };
        match (&given.command, &given.vector) {
            (Some(command), _) => machine.answer_with(command.as_bytes(), answer),
            (None, Some(vector)) => {
                let vector = vector.iter().map(|one| one.as_bytes().to_vec()).collect();
                machine.answer_vector(vector, answer);
            }
            (None, None) => {}
        }
    }
    for answer in &options.answers {
        let Some((command, output)) = answer.as_bytes().split_once_str("=") else {
            return Err(Failure::Unusable {
                what: format!("--answer {}", answer.display()),
                why: "there is no = in it".into(),
                hint: "write --answer 'COMMAND=OUTPUT', with the command as its arguments, joined by spaces".into(),
            });
        };
        machine.answer_with(command, Answer { output: Some(output.into()), status: Some(0) });
    }
    Ok(machine)
}

/// The shell as it stands before the first word is read.
///
/// # Errors
/// A variable or a name that is none.
pub(super) fn starting_state(
    options: &EvaluationOptions,
    dialect: Dialect,
    (kind, text): (SourceKind, &[u8]),
    arguments: &Rc<[Vec<u8>]>,
) -> Result<State, Failure> {
    let mut state = State::new(dialect, kind, text);
    let follows = || Follows { stack: stack_limit(), through: false };
    state.follows = options.follow.then(follows);
    state.limits.steps = options.max_steps.unwrap_or(state.limits.steps);
    state.limits.bytes = options.max_bytes.unwrap_or(state.limits.bytes);
    if !options.clean {
        for (name, value) in environment() {
            // A shell takes IFS from nobody.
            if name == b"IFS" {
                continue;
            }
            if !is_variable_name(&name) {
                state.strings_passed_on.push((name, value));
                continue;
            }
            let value = state.given(environment_source(&name), &value);
            state.variables.set(&name, value);
            state.variables.entry(&name).exported = true;
        }
    }
    state.start_path();
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
    if let (None, Some(ifs)) = (&options.ifs, &options.besides.ifs) {
        let kind = SourceKind::Variable { name: b"IFS"[..].into(), inherited: false };
        let value = state.given(kind, ifs.as_bytes());
        state.variables.set(b"IFS", value);
    }
    state.start_options = options.besides.options.clone();
    for name in &options.unset {
        state.variables.remove(checked_name(name.as_bytes(), "--unset NAME")?);
    }
    if let Some(zero) = &options.zero {
        let zero = state.given(SourceKind::Zero, zero.as_bytes());
        state.positional.zero = Rc::new(zero);
    }
    match arguments.is_empty() {
        true => state.give_arguments(&taken(&options.besides.args)),
        false => state.give_arguments(arguments),
    }
    Ok(state)
}

/// Words of the command line as arguments.
pub(super) fn taken<W: Into<OsString>>(words: impl IntoIterator<Item = W>) -> Rc<[Vec<u8>]> {
    words.into_iter().map(|word| word.into().into_vec()).collect()
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
pub(super) fn unescaped(text: &[u8]) -> Vec<u8> {
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

/// The text of a script; `-` is standard input.
///
/// # Errors
/// A file that cannot be read, or that is no text.
pub(super) fn script(file: &OsStr) -> Result<Vec<u8>, Failure> {
    let unusable = |why: String, hint: &str| Failure::Unusable {
        what: file.display().to_string(),
        why,
        hint: hint.into(),
    };
    let text = match file.as_bytes() {
        b"-" => read_standard_input()
            .map_err(|error| unusable(error.to_string(), "give the script as a file instead"))?,
        _ => read_script(file.as_ref())
            .map_err(|error| unusable(error.to_string(), "name a script that can be read"))?,
    };
    let first = text.split(|&byte| byte == b'\n').next().unwrap_or_default();
    match first.contains(&0) {
        true => {
            let hint = "shells refuse such a file; name the text of a script";
            Err(unusable("this is a binary file, not a script".into(), hint))
        }
        false => Ok(text),
    }
}

/// The exit status for the way in which an evaluation ended; 0 when it is whole.
pub(super) fn status(ending: &Ending) -> u8 {
    match ending {
        Ending::Complete | Ending::ShellStops(_) => 0,
        Ending::Syntax(_) => 2,
        Ending::Incomplete => 3,
        Ending::Stopped { .. } => 4,
    }
}

#[cfg(test)]
mod tests {
    use super::unescaped;

    #[test]
    fn ifs_knows_three_escapes() {
        assert_eq!(unescaped(br"\t\n\\:\x"), b"\t\n\\:\\x");
    }
}
