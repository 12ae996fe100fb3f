//! `cargo xtask kernel`: runs the committed `#!` files and calls on the running kernel and writes what
//! came of them.

use std::io::{self, Write};

use fizzet_truth::calls::call_lines;
use fizzet_truth::kernel::{Launched, Scripts, Workshop, script_lines, write_recorded};

use crate::record::receiver;

/// Records all lines, and tells those that are predicted otherwise.
pub(crate) fn record() -> Result<(), String> {
    let told = |error: io::Error| error.to_string();
    let workshop = Workshop::new(&receiver()?).map_err(told)?;
    let scripts = |line: &str| {
        let scripts = Scripts::read(line);
        Ok((workshop.truth(&scripts)?, workshop.prediction(&scripts)?))
    };
    let calls = |line: &str| Ok((workshop.called(line)?, workshop.call_prediction(line)?));
    each("scripts.recorded", script_lines().map_err(told)?, scripts).map_err(told)?;
    each("calls.recorded", call_lines().map_err(told)?, calls).map_err(told)
}

fn each(
    name: &str,
    lines: Vec<String>,
    both: impl Fn(&str) -> io::Result<(Launched, Launched)>,
) -> io::Result<()> {
    let mut cases = Vec::new();
    let mut differ = 0;
    let mut out = io::stderr().lock();
    for line in lines {
        let (truth, ours) = both(&line)?;
        if truth != ours {
            differ += 1;
            writeln!(out, "{line}\n    real: {truth}\n  fizzet: {ours}")?;
        }
        cases.push((line, truth));
    }
    write_recorded(name, &cases)?;
    writeln!(out, "{name}: {} cases, {differ} differ", cases.len())
}
