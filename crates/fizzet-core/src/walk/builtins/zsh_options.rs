//! `setopt`, `unsetopt` and `emulate` (zsh 5.9): options by name, in which case and underscores do
//! not count and `no` turns the meaning round.

use std::rc::Rc;

use crate::state::{ByName, Emulation, State};
use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::eval;
use crate::walk::builtins::emulations::{EMULATED, EMULATED_WHOLE, Emulated};

/// `setopt name...`, `unsetopt name...`
pub(super) fn set_options(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let on = call.bytes(0) == Some(b"setopt");
    let mut operands = call.arguments();
    if operands.is_empty() {
        walker.tell_changed_options(on, call);
        return Ok(0);
    }
    let mut status = 0;
    while let [word, rest @ ..] = operands {
        let (sign, letters) = match word.bytes() {
            [sign @ (b'-' | b'+'), letters @ ..] => (*sign, letters),
            _ => break,
        };
        operands = rest;
        match (letters, rest) {
            (b"-" | b"", _) => break,
            (b"m", _) => {
                walker.set_matching_options(rest, on);
                return Ok(0);
            }
            (b"o", [name, rest @ ..]) => {
                operands = rest;
                let outcome = walker.state.set_by_name(name.bytes(), on == (sign == b'-'));
                status |= Status::from(outcome != ByName::Set);
            }
            _ => {
                for &letter in letters {
                    let known = walker.state.set_given_letter(letter, on == (sign == b'-'));
                    status |= Status::from(!known);
                }
            }
        }
    }
    for name in operands {
        let outcome = walker.state.set_by_name(name.bytes(), on);
        status |= Status::from(outcome != ByName::Set);
    }
    Ok(status)
}

/// `emulate [-LR] [shell [-c text]]`: the options become those of a shell; with `-c`, for a text only.
/// Behind the shell's name stand options as for `set`.
pub(super) fn emulate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("LR", false);
    let Some((shell, words)) = given.operands.split_first() else {
        if given.has(b'L') || given.has(b'R') {
            return Ok(1);
        }
        let name = walker.state.shell_text(walker.state.emulated().as_bytes());
        walker.print_line(name, call);
        return Ok(0);
    };
    let Some((settings, text)) = settings_and_text(words) else { return Ok(1) };
    let emulation = Emulation { shell: shell.bytes().into(), whole: given.has(b'R'), settings };
    let before = text.map(|_| walker.state.options.clone());
    take_emulation(&mut walker.state, &emulation);
    if given.has(b'L') {
        walker.state.options.local_options = true;
        walker.state.options.local_traps = true;
    }
    let (Some(text), Some(before)) = (text, before) else { return Ok(0) };
    let words = [shell.clone(), text.clone()];
    let outer = walker.state.emulation.replace(Rc::new(emulation));
    let outcome = eval(walker, &Call { argv: &words, ..*call });
    walker.state.put_options(before);
    walker.state.emulation = outer;
    outcome
}

/// Gives the options the values that another shell has them at.
pub(in crate::walk) fn take_emulation(state: &mut State, emulation: &Emulation) {
    let (name, column) = emulated(&emulation.shell);
    let whole: &[Emulated] = if emulation.whole { EMULATED_WHOLE } else { &[] };
    let options = EMULATED.iter().chain(whole);
    state.emulate(name, options.map(|(option, values)| (*option, values[column])));
    for (option, on) in &emulation.settings {
        match **option {
            [letter] => state.set_letter(letter, *on),
            ref name => state.set_by_name(name, *on) == ByName::Set,
        };
    }
}

/// The shell that a name means by its first letter, and its column in [`EMULATED`].
fn emulated(name: &[u8]) -> (&'static str, usize) {
    match name.strip_prefix(b"r").unwrap_or(name).first() {
        Some(b's' | b'b') => ("sh", 1),
        Some(b'k') => ("ksh", 2),
        Some(b'c') => ("csh", 3),
        _ => ("zsh", 0),
    }
}

/// An option of `emulate` behind the shell's name, a letter or a name, and whether it is switched on.
type Setting = (Box<[u8]>, bool);

/// The options behind the shell's name and the text behind `-c`; `None` where other words stand there.
fn settings_and_text(words: &[Text]) -> Option<(Vec<Setting>, Option<&Text>)> {
    let (mut settings, mut text) = (Vec::new(), None);
    let mut words = words.iter();
    while let Some(word) = words.next() {
        let (on, letters) = match word.bytes() {
            [b'-', letters @ ..] => (true, letters),
            [b'+', letters @ ..] => (false, letters),
            _ => return None,
        };
        for letter in letters {
            match letter {
                b'o' => settings.push((words.next()?.bytes().into(), on)),
                b'c' if on => text = Some(words.next()?),
                _ => settings.push(([*letter].into(), on)),
            }
        }
        if text.is_some() {
            break;
        }
    }
    Some((settings, text))
}
