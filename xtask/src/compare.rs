//! `cargo xtask compare LINE [ARG]...`: what each real shell passes on for a line, beside the
//! prediction. With `--lines FILE [SHELL]`: every line of a file, and of those only what differs.

use std::io::Write;

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Outcome, Place, find, is_in_no_order, with_end};

use crate::record::receiver;

/// A line of several lines has this where they end, so that it fits in a word or in a line of a file.
const NEWLINE: char = '␤';

/// Prints one row a shell; a shell whose prediction differs has a second one.
pub(crate) fn compare(words: &[&str]) -> Result<(), String> {
    match words {
        ["--lines", file] => compare_lines(file, &Shell::ALL),
        ["--lines", file, shell] => {
            let shell = Shell::from_name(shell).ok_or_else(|| format!("{shell}: no such shell"))?;
            compare_lines(file, &[shell])
        }
        [line] => print(&compare_one(&place()?, &Shell::ALL, line, &ARGUMENTS, true)),
        [line, arguments @ ..] => {
            let given: Vec<&[u8]> = arguments.iter().map(|word| word.as_bytes()).collect();
            print(&compare_one(&place()?, &Shell::ALL, line, &given, true))
        }
        [] => Err("usage: cargo xtask compare LINE [ARG]... | --lines FILE [SHELL]".into()),
    }
}

fn compare_lines(file: &str, shells: &[Shell]) -> Result<(), String> {
    let text = std::fs::read_to_string(file).map_err(|error| format!("{file}: {error}"))?;
    let lines: Vec<&str> = text.lines().filter(|line| !line.is_empty()).collect();
    let receiver = receiver()?;
    let workers = std::thread::available_parallelism().map_or(1, |count| count.get());
    std::thread::scope(|scope| {
        let part = |worker: usize| {
            let (lines, receiver) = (&lines, &receiver);
            move || {
                let place = Place::new(receiver).map_err(|error| error.to_string())?;
                for line in lines.iter().skip(worker).step_by(workers) {
                    let told = compare_one(&place, shells, line, &ARGUMENTS, false);
                    if !told.is_empty() {
                        print(&format!("== {line}\n{told}"))?;
                    }
                }
                Ok(())
            }
        };
        let deep = |worker| {
            std::thread::Builder::new().stack_size(256 << 20).spawn_scoped(scope, part(worker))
        };
        let running = (0..workers).map(deep).collect::<Result<Vec<_>, _>>();
        let running = running.map_err(|error| error.to_string())?;
        running.into_iter().try_for_each(|thread| thread.join().map_err(|_| "a thread panicked")?)
    })
}

/// The rows of one line; `all` wants those of the shells that agree too.
fn compare_one(
    place: &Place,
    shells: &[Shell],
    line: &str,
    arguments: &[&[u8]],
    all: bool,
) -> String {
    let line = with_end(&line.replace(NEWLINE, "\n"));
    let mut told = String::new();
    for &shell in shells.iter().filter(|&&shell| find(shell).is_some()) {
        let in_order = |outcome: Outcome| {
            if is_in_no_order(&line) { outcome.sorted() } else { outcome }.to_string()
        };
        let truth = place
            .truth(shell, line.as_bytes(), arguments)
            .map_or_else(|error| error.to_string(), in_order);
        let ours = in_order(place.prediction(shell, line.as_bytes(), arguments));
        if truth != ours {
            told += &format!("! {shell:8} {truth}\n  (ours)   {ours}\n");
        } else if all {
            told += &format!("  {shell:8} {truth}\n");
        }
    }
    told
}

fn place() -> Result<Place, String> {
    Place::new(&receiver()?).map_err(|error| error.to_string())
}

fn print(told: &str) -> Result<(), String> {
    std::io::stdout().lock().write_all(told.as_bytes()).map_err(|error| error.to_string())
}
