//! `cargo xtask receive`: launches the committed lines in the real runtimes and writes what the receivers
//! saw.

use std::io::{self, Write};

use fizzet_truth::listed::{cases, write_recorded};
use fizzet_truth::receivers::{Receivers, Seen, versions};

/// Records all launches, and tells those that are predicted otherwise.
pub(crate) fn record() -> Result<(), String> {
    launches().map_err(|error| error.to_string())
}

fn launches() -> io::Result<()> {
    let receivers = Receivers::new()?;
    let mut out = io::stderr().lock();
    let mut done: Vec<(String, Seen)> = Vec::new();
    let mut differ = 0;
    for line in cases("receive/launches.txt")? {
        let truth = receivers.truth(&line)?;
        let ours = receivers.prediction(&line)?;
        if !ours.is_met_by(&truth.to_string()) {
            differ += 1;
            writeln!(out, "{line}\n    real: {truth}\n  fizzet: {ours}")?;
        }
        done.push((line, truth));
    }
    write_recorded("receive/launches.recorded", &versions(), &done)?;
    writeln!(out, "receive/launches: {} cases, {differ} differ", done.len())
}
