//! `kill`: signals to the shell itself, and the names and numbers of signals.

use crate::dialect::{KillEnds, KillFailures};
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;
use crate::walk::builtins::process::unpredictable;
use crate::walk::builtins::signal_list::all_signals;
use crate::walk::builtins::trap::SIGNALS;

/// The number of a signal (Linux, signal(7)).
pub(in crate::walk) fn signal_number(name: &str) -> Status {
    SIGNALS.iter().position(|known| *known == name).map_or(0, |at| at as Status + 1)
}

/// `kill [-signal] process...`, `kill -l [number]...`. What becomes of other processes than the shell
/// nobody can tell.
pub(super) fn kill(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let (signal, processes) = match call.arguments() {
        [] => return Ok(walker.state.dialect.kill_nothing_status),
        [first, rest @ ..] if matches!(first.bytes(), b"-l" | b"-L") => {
            return Ok(tell(walker, rest, call));
        }
        [first] if matches!(first.bytes(), b"-s" | b"-n") => (None, &[][..]),
        [first, name, rest @ ..] if matches!(first.bytes(), b"-s" | b"-n") => {
            (walker.signal_name(name.bytes()), rest)
        }
        [first, rest @ ..] if first.bytes() == b"--" => (Some("TERM"), rest),
        all @ [first, ..] if call.operands.has_dashes(first.bytes()) => (Some("TERM"), all),
        [first, rest @ ..] if first.bytes().starts_with(b"-") && first.len() > 1 => {
            let rest = match rest {
                [dashes, rest @ ..] if dashes.bytes() == b"--" => rest,
                rest => rest,
            };
            (walker.signal_name(&first.bytes()[1..]), rest)
        }
        all => (Some("TERM"), all),
    };
    let misses_signal = signal.is_none() && call.arguments().len() > 1;
    if misses_signal || (signal.is_none() && processes.is_empty()) {
        return Ok(walker.state.dialect.kill_signal_status);
    }
    if processes.is_empty() {
        return Ok(walker.state.dialect.kill_nothing_status);
    }
    let Some(signal) = signal else { return Ok(walker.state.dialect.kill_nothing_status) };
    send(walker, signal, processes, call)
}

/// Sends a signal to processes one by one, until one of them is a mistake that ends this.
fn send(
    walker: &mut Walker,
    signal: &'static str,
    processes: &[Text],
    call: &Call<'_>,
) -> Result<Status, Stop> {
    let ends = walker.state.dialect.kill_ends_at;
    let no_job = walker.state.dialect.kill_no_job_status;
    if ends == KillEnds::JobsFirst && processes.iter().any(|text| walker.is_missing_job(text)) {
        return Ok(no_job);
    }
    let (mut failures, mut status) = (0, 0);
    for process in processes {
        if !is_process(process) {
            (failures, status) = (failures + 1, walker.state.dialect.kill_process_status);
            if matches!(ends, KillEnds::Words | KillEnds::All) {
                break;
            }
        } else if walker.is_missing_job(process) {
            (failures, status) = (failures + 1, no_job);
            if ends == KillEnds::All {
                break;
            }
        } else if process.has_hole() && walker.kill_coprocess(process.lone_hole(), signal) {
            continue;
        } else if !is_the_shell(walker, process) {
            return unpredictable(walker, call);
        } else if signal != "0" {
            walker.signal(signal);
        }
    }
    Ok(match walker.state.dialect.kill_failures {
        KillFailures::Counted | KillFailures::CountedInLists => failures,
        KillFailures::OnlyAll if (failures as usize) < processes.len() => 0,
        KillFailures::OnlyAll | KillFailures::Any => status,
    })
}

/// Whether a text is a number or a job.
fn is_process(text: &Text) -> bool {
    text.has_hole() || text.bytes().starts_with(b"%") || number(text.bytes()).is_some()
}

/// Whether a text is the process number of the shell: `$$`, BASHPID.
fn is_the_shell(walker: &Walker, text: &Text) -> bool {
    if let Some(own) = walker.state.own_number() {
        return number(text.bytes()) == Some(i64::from(own));
    }
    let names = |name: &[u8]| matches!(name, b"$" | b"BASHPID");
    text.is_empty()
        && text
            .runs()
            .any(|(run, _)| run.hole && run.origin.hop().name.as_deref().is_some_and(names))
}

impl Walker {
    /// The signal that `kill` is told by name or number; 0 is none.
    fn signal_name(&self, text: &[u8]) -> Option<&'static str> {
        if text == b"0" {
            return Some("0");
        }
        if let Some(number @ 1..=31) = number(text) {
            return Some(SIGNALS[number as usize - 1]);
        }
        let name = match self.state.dialect.signals_in_capitals {
            true => text.to_vec(),
            false => text.to_ascii_uppercase(),
        };
        let prefix = &b"SIG"[..self.state.dialect.signal_prefix];
        let name = name.strip_prefix(prefix).unwrap_or(&name);
        SIGNALS.into_iter().find(|known| known.as_bytes() == name)
    }
}

/// `kill -l`: the names of numbers, where the shell has it the numbers of names.
impl Walker {
    /// Lists all signals.
    pub(super) fn tell_signals(&mut self, call: &Call<'_>) {
        match all_signals(self.state.dialect.signal_list) {
            Some(list) => {
                let origin = Origin::new(Rule::Output, call.span);
                self.write(Text::from_bytes(list, Standing::Quoted, origin));
            }
            None => self.write_hole(call.span),
        }
    }
}

fn tell(walker: &mut Walker, asked: &[Text], call: &Call<'_>) -> Status {
    if asked.is_empty() {
        walker.tell_signals(call);
        return 0;
    }
    let counts = walker.state.dialect.kill_failures == KillFailures::CountedInLists;
    let asked = match walker.state.dialect.kill_tells_one {
        true => &asked[..asked.len().min(1)],
        false => asked,
    };
    let (mut failures, mut status) = (0, 0);
    for one in asked {
        let told = match number(one.bytes()) {
            Some(0) => Some("EXIT".to_string()),
            Some(number) => {
                // The status of a process that a signal has ended means the signal.
                let signal = if number > 128 { number - 128 } else { number };
                usize::try_from(signal - 1)
                    .ok()
                    .and_then(|at| SIGNALS.get(at))
                    .map(|name| name.to_string())
            }
            None if !walker.state.dialect.kill_tells_numbers => None,
            None => walker.signal_name(one.bytes()).map(|name| signal_number(name).to_string()),
        };
        let Some(told) = told else {
            let known = number(one.bytes()).filter(|_| walker.state.dialect.kill_tells_any_number);
            match known {
                None => {
                    (failures, status) = (failures + 1, walker.state.dialect.kill_process_status);
                }
                Some(number) => {
                    let origin = Origin::new(Rule::Output, call.span);
                    let text = Text::from_bytes(format!("{number}\n"), Standing::Quoted, origin);
                    walker.write(text);
                }
            }
            continue;
        };
        let origin = Origin::new(Rule::Output, call.span);
        walker.write(Text::from_bytes(told + "\n", Standing::Quoted, origin));
    }
    if counts { failures } else { status }
}
