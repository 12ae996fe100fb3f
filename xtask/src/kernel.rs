//! `cargo xtask kernel`: runs the committed `#!` files and calls on the running kernel and writes what
//! came of them.

use std::io::{self, Write};

use fizzet_truth::kernel::{Launched, Scripts, Workshop, versions};
use fizzet_truth::listed::{cases, write_recorded};

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
    each("kernel/scripts", scripts).map_err(told)?;
    each("kernel/calls", calls).map_err(told)
}

fn each(name: &str, both: impl Fn(&str) -> io::Result<(Launched, Launched)>) -> io::Result<()> {
    let mut done = Vec::new();
    let mut differ = 0;
    let mut out = io::stderr().lock();
    for line in cases(&format!("{name}.txt"))? {
        let (truth, ours) = both(&line)?;
        if truth != ours {
            differ += 1;
            writeln!(out, "{line}\n    real: {truth}\n  fizzet: {ours}")?;
        }
        done.push((line, truth));
    }
    write_recorded(&format!("{name}.recorded"), &versions()?, &done)?;
    writeln!(out, "{name}: {} cases, {differ} differ", done.len())
}
