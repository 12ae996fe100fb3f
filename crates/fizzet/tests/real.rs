//! The committed lines in the real dash and bash of this machine, against the prediction.

mod support;

use fizzet_core::dialect::Shell;
use support::{Place, data, real, shown};

const ARGUMENTS: [&[u8]; 3] = [b"lime honey", b"", b"-x"];

fn check(shell: Shell) {
    assert!(real(shell).is_some(), "{shell} is not on PATH; install it to run the tests");
    let place = Place::new();
    let text = std::fs::read_to_string(data().join("lines.txt")).unwrap();
    let lines: Vec<String> = text
        .lines()
        .filter(|line| !line.starts_with('#') && !line.is_empty())
        .map(|line| line.replace("<NL>", "\n"))
        .collect();
    assert!(lines.len() >= 60, "the list of lines has shrunk");
    let mut differences = Vec::new();
    for line in &lines {
        let mut truth = place.truth(shell, line.as_bytes(), &ARGUMENTS);
        let mut prediction = place.prediction(shell, line.as_bytes(), &ARGUMENTS);
        if line.contains(" | ") {
            // The commands of a pipeline run at the same time, in no order.
            truth.vectors.sort();
            prediction.vectors.sort();
        }
        assert!(!truth.vectors.is_empty(), "{shell} passed nothing on for: {line}");
        if truth != prediction {
            differences.push(format!(
                "{line}\n    real: {}\n  fizzet: {}",
                shown(&truth),
                shown(&prediction)
            ));
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
