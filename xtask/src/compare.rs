//! `cargo xtask compare LINE [ARG]...`: what each real shell passes on for a line, beside the
//! prediction.

use std::io::Write;

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Place, find, with_end};

use crate::record::receiver;

/// Prints one row a shell; a shell whose prediction differs has a second one.
pub(crate) fn compare(words: &[&str]) -> Result<(), String> {
    let Some((line, arguments)) = words.split_first() else {
        return Err("usage: cargo xtask compare LINE [ARG]...".into());
    };
    let place = Place::new(&receiver()?).map_err(|error| error.to_string())?;
    let line = with_end(&line.replace('␤', "\n"));
    let given: Vec<&[u8]> = match arguments {
        [] => ARGUMENTS.to_vec(),
        words => words.iter().map(|word| word.as_bytes()).collect(),
    };
    let mut out = std::io::stdout().lock();
    for shell in Shell::ALL.into_iter().filter(|&shell| find(shell).is_some()) {
        let truth = place
            .truth(shell, line.as_bytes(), &given)
            .map_or_else(|error| error.to_string(), |truth| truth.to_string());
        let ours = place.prediction(shell, line.as_bytes(), &given).to_string();
        let told = match truth == ours {
            true => format!("  {shell:8} {truth}\n"),
            false => format!("! {shell:8} {truth}\n  (ours)   {ours}\n"),
        };
        out.write_all(told.as_bytes()).map_err(|error| error.to_string())?;
    }
    Ok(())
}
