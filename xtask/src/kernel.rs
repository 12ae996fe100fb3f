//! `cargo xtask kernel`: runs the committed `#!` files on the running kernel and writes what came of them.

use std::io::Write;

use fizzet_truth::kernel::{Scripts, Workshop, script_lines, write_scripts};

use crate::record::receiver;

/// Records all lines, and tells those that are predicted otherwise.
pub(crate) fn record() -> Result<(), String> {
    let told = |error: std::io::Error| error.to_string();
    let workshop = Workshop::new(&receiver()?).map_err(told)?;
    let mut cases = Vec::new();
    let mut differ = 0;
    for line in script_lines().map_err(told)? {
        let scripts = Scripts::read(&line);
        let truth = workshop.truth(&scripts).map_err(told)?;
        let ours = workshop.prediction(&scripts).map_err(told)?;
        if truth != ours {
            differ += 1;
            // For the person who records; nothing depends on it.
            let _ = writeln!(std::io::stderr(), "{line}\n    real: {truth}\n  fizzet: {ours}");
        }
        cases.push((line, truth));
    }
    write_scripts(&cases).map_err(told)?;
    let _ = writeln!(std::io::stderr(), "{} cases, {differ} differ", cases.len());
    Ok(())
}
