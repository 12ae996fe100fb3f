//! A list of committed lines in the real dash and bash of this machine, against the prediction.

use std::path::Path;

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Place, find, lines, with_end};

fn check(shell: Shell) {
    assert!(find(shell).is_some(), "{shell} is not on PATH; install it to run the tests");
    let place = Place::new(Path::new(env!("CARGO_BIN_EXE_fizzet"))).unwrap();
    let lines = lines("first").unwrap();
    assert!(lines.len() >= 60, "the list of lines has shrunk");
    let mut differences = Vec::new();
    for line in &lines {
        let with_end = with_end(line);
        let mut truth = place.truth(shell, with_end.as_bytes(), &ARGUMENTS).unwrap();
        let mut prediction = place.prediction(shell, with_end.as_bytes(), &ARGUMENTS);
        if line.contains(" | ") {
            // The commands of a pipeline run at the same time, in no order.
            (truth, prediction) = (truth.sorted(), prediction.sorted());
        }
        assert!(!truth.vectors.is_empty(), "{shell} passed nothing on for: {line}");
        if truth != prediction {
            differences.push(format!("{line}\n    real: {truth}\n  fizzet: {prediction}"));
        }
    }
    assert!(differences.is_empty(), "{shell} differs on:\n{}", differences.join("\n"));
}

#[test]
fn dash_passes_what_is_predicted() {
    check(Shell::Dash);
}

#[test]
fn bash_passes_what_is_predicted() {
    check(Shell::Bash);
}
