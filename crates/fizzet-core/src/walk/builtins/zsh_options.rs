//! `setopt`, `unsetopt` and `emulate` (zsh 5.9): options by name, in which case and underscores do
//! not count and `no` turns the meaning round.

use crate::expand::Context;
use crate::state::{ByName, changing_option};
use crate::stop::{Status, Stop};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::eval;

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
                let outcome = walker.state.options.set_by_name(name.bytes(), on == (sign == b'-'));
                status |= Status::from(outcome != ByName::Set);
            }
            _ => {
                for &letter in letters {
                    let known = walker.state.set_letter(letter, on == (sign == b'-'));
                    status |= Status::from(!known);
                }
            }
        }
    }
    for name in operands {
        let outcome = walker.state.options.set_by_name(name.bytes(), on);
        status |= Status::from(outcome != ByName::Set);
        if let Some(option) = changing_option(name.bytes()) {
            walker.missing(&format!("what the option {option} changes"), call.span);
        }
    }
    Ok(status)
}

/// What `emulate zsh`, `emulate sh` and `emulate ksh` set the options to that they set at all.
const EMULATED: &[(&str, [bool; 3])] = &[
    ("allexport", [false, false, false]),
    ("braceccl", [false, false, false]),
    ("clobber", [true, true, true]),
    ("errexit", [false, false, false]),
    ("errreturn", [false, false, false]),
    ("extendedglob", [false, false, false]),
    ("glob", [true, true, true]),
    ("globdots", [false, false, false]),
    ("globsubst", [false, true, true]),
    ("ignorebraces", [false, true, false]),
    ("kshglob", [false, false, true]),
    ("localoptions", [false, false, true]),
    ("localtraps", [false, false, true]),
    ("multios", [true, false, false]),
    ("nomatch", [true, false, false]),
    ("nullglob", [false, false, false]),
    ("pipefail", [false, false, false]),
    ("rcexpandparam", [false, false, false]),
    ("shwordsplit", [false, true, true]),
    ("unset", [true, true, true]),
];

/// What `emulate -R` sets besides.
const EMULATED_WHOLE: &[&str] = &["caseglob", "casematch"];

/// `emulate [-LR] [shell [-c text]]`: the options become those of a shell; with `-c`, for a text only.
pub(super) fn emulate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("LR", false);
    let Some(shell) = given.operands.first() else {
        let name = walker.state.shell_text(b"zsh");
        walker.print_line(name, call);
        return Ok(0);
    };
    let column = match shell.bytes() {
        b"sh" => 1,
        b"ksh" => 2,
        _ => 0,
    };
    let text = match given.operands.get(1..) {
        Some([option, text, ..]) if option.bytes() == b"-c" => Some(text),
        _ => None,
    };
    let before = text.map(|_| walker.state.options.clone());
    for (name, values) in EMULATED {
        walker.state.options.set_by_name(name.as_bytes(), values[column]);
    }
    if given.has(b'R') {
        for name in EMULATED_WHOLE {
            walker.state.options.set_by_name(name.as_bytes(), true);
        }
    }
    if given.has(b'L') {
        walker.state.options.local_options = true;
        walker.state.options.local_traps = true;
    }
    let Some(text) = text else { return Ok(0) };
    let words = [shell.clone(), text.clone()];
    let outcome = eval(walker, &Call { argv: &words, ..*call });
    if let Some(before) = before {
        walker.state.options = before;
    }
    outcome
}
