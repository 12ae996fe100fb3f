//! `set`, `shift`, `getopts`, `shopt`.

use crate::lineage::{Hop, Rule};
use crate::stop::Stop;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;

/// `set [options] [--] [arguments]`
pub(super) fn set(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let mut rest = call.arguments();
    let mut replaces = false;
    while let Some(word) = rest.first().map(Text::bytes) {
        match word {
            b"--" => {
                replaces = true;
                rest = &rest[1..];
                break;
            }
            b"-" => {
                rest = &rest[1..];
                replaces = !rest.is_empty();
                break;
            }
            [sign @ (b'-' | b'+'), letters @ ..] if !letters.is_empty() => {
                let on = *sign == b'-';
                rest = &rest[1..];
                for &letter in letters {
                    if letter == b'o' {
                        if let Some(name) = rest.first() {
                            walker.long_option(name.bytes(), on);
                            rest = &rest[1..];
                        }
                    } else {
                        walker.option(letter, on);
                    }
                }
            }
            _ => break,
        }
    }
    if replaces || !rest.is_empty() {
        let hop = Hop { rule: Rule::Stored, span: call.span, name: None, shifted: 0 };
        let parameters = rest.iter().map(|text| text.passed_through(&hop, Standing::Quoted));
        let parameters = parameters.collect();
        walker.state.positional.set(parameters);
    }
    Ok(0)
}

impl Walker {
    fn option(&mut self, letter: u8, on: bool) {
        let options = &mut self.state.options;
        match letter {
            b'f' => options.no_glob = on,
            b'u' => options.no_unset = on,
            b'e' => options.exit_on_error = on,
            b'B' => options.no_braces = !on,
            _ => {}
        }
    }

    fn long_option(&mut self, name: &[u8], on: bool) {
        let letter = match name {
            b"noglob" => b'f',
            b"nounset" => b'u',
            b"errexit" => b'e',
            b"braceexpand" => b'B',
            _ => return,
        };
        self.option(letter, on);
    }
}

/// `shift [n]`
pub(super) fn shift(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let count = match call.bytes(1) {
        None => 1,
        Some(text) => match number(text) {
            Some(count @ 0..) => count as usize,
            _ => return walker.usage(call, "a number of parameters was expected"),
        },
    };
    if walker.state.positional.shift(count) {
        return Ok(0);
    }
    match walker.state.dialect.shift_too_many_is_fatal {
        true => Err(walker.fatal(call, "there are fewer parameters than that")),
        false => Ok(1),
    }
}

/// `getopts options name [arguments]`
pub(super) fn getopts(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let (Some(options), Some(name)) = (call.bytes(1), call.bytes(2)) else {
        return walker.usage(call, "getopts OPTIONS NAME");
    };
    let given = match &call.argv[3..] {
        [] => walker.state.positional.all().to_vec(),
        own => own.to_vec(),
    };
    let index = walker.state.variables.scalar(b"OPTIND").and_then(|text| number(text.bytes()));
    let index = usize::try_from(index.unwrap_or(1)).unwrap_or(1).max(1);
    if walker.cluster.told != index {
        walker.cluster = Cluster { told: index, word: index, letter: 1 };
    }
    let Cluster { word: mut index, letter: at, .. } = walker.cluster;
    let silent = options.first() == Some(&b':');
    let word = given.get(index - 1);
    let Some(word) = word.filter(|word| word.len() > 1 && word.bytes()[0] == b'-') else {
        walker.assign_computed(name, b"?", call)?;
        return Ok(1);
    };
    if word.bytes() == b"--" {
        walker.assign_computed(b"OPTIND", (index + 1).to_string().as_bytes(), call)?;
        walker.assign_computed(name, b"?", call)?;
        return Ok(1);
    }
    let letter = word.bytes()[at.min(word.len() - 1)];
    let known = options.iter().position(|&one| one == letter && one != b':');
    let takes_value = known.is_some_and(|place| options.get(place + 1) == Some(&b':'));
    let last = at + 1 >= word.len();
    let (mut result, mut value) = (vec![letter], None);
    if known.is_none() {
        result = vec![b'?'];
        value = silent.then(|| word.slice(at, at + 1));
    }
    if takes_value && !last {
        value = Some(word.slice(at + 1, word.len()));
    } else if takes_value {
        index += 1;
        value = given.get(index - 1).cloned();
        if value.is_none() {
            result = vec![if silent { b':' } else { b'?' }];
            value = silent.then(|| word.slice(at, at + 1));
        }
    }
    let done = takes_value || last;
    index += usize::from(done);
    let told = index + usize::from(!done && walker.state.dialect.getopts_counts_ahead);
    walker.cluster = Cluster { told, word: index, letter: if done { 1 } else { at + 1 } };
    walker.assign_computed(b"OPTIND", told.to_string().as_bytes(), call)?;
    walker.assign_computed(name, &result, call)?;
    match value {
        Some(value) => walker.assign_text(b"OPTARG", value, call.span)?,
        None => {
            walker.state.variables.remove(b"OPTARG");
        }
    }
    Ok(0)
}

/// Where `getopts` stands: what OPTIND says, and the word and letter that come next.
#[derive(Clone, Copy, Debug)]
pub(in crate::walk) struct Cluster {
    told: usize,
    word: usize,
    letter: usize,
}

impl Default for Cluster {
    fn default() -> Cluster {
        Cluster { told: 1, word: 1, letter: 1 }
    }
}

/// `shopt -s name`, `shopt -u name`
pub(super) fn shopt(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let on = match call.bytes(1) {
        Some(b"-s") => true,
        Some(b"-u") => false,
        _ => return Ok(0),
    };
    for name in &call.argv[2..] {
        let options = &mut walker.state.options;
        match name.bytes() {
            b"nullglob" => options.null_glob = on,
            b"dotglob" => options.dot_glob = on,
            b"failglob" => options.fail_glob = on,
            _ => crate::expand::Context::missing(
                walker,
                "what this option of shopt changes",
                call.span,
            ),
        }
    }
    Ok(0)
}
