//! Every recorded launch, conversion and reading, without a runtime.

use std::collections::BTreeMap;

use fizzet_truth::listed::{cases, recorded};
use fizzet_truth::receivers::Receivers;
use fizzet_truth::{conversions, reads};

/// Compares all that was recorded with what is predicted: whether that is met, and how it is written.
fn check(record: &str, predict: impl Fn(&str, &str) -> (bool, String)) {
    let done = recorded(record).unwrap();
    let mut differ = Vec::new();
    for (case, real) in &done {
        let (agrees, ours) = predict(case, real);
        if !agrees {
            differ.push(format!("{case}\n    real: {real}\n  fizzet: {ours}"));
        }
    }
    assert!(differ.is_empty(), "{} of {} differ:\n{}", differ.len(), done.len(), differ.join("\n"));
}

#[test]
fn receivers_saw_what_is_predicted() {
    let receivers = Receivers::unbuilt().unwrap();
    check("receive/launches.recorded", |line, real| {
        let ours = receivers.prediction(line).unwrap();
        (ours.is_met_by(real), ours.to_string())
    });
}

#[test]
fn forty_launches_and_more_are_recorded_of_each_runtime() {
    let done = recorded("receive/launches.recorded").unwrap();
    let lines = cases("receive/launches.txt").unwrap();
    assert!(done.iter().map(|(line, _)| line).eq(&lines), "run cargo xtask receive");
    let mut launches = BTreeMap::new();
    for line in &lines {
        let program = line.split(' ').next().unwrap_or_default();
        *launches.entry(program.trim_start_matches("./")).or_insert(0) += 1;
    }
    let all = [
        "python3",
        "perl",
        "node",
        "java",
        "php",
        "ruby",
        "gawk",
        "mawk",
        "tclsh",
        "lua5.4",
        "sh",
        "bash",
        "dash",
        "ksh93",
        "mksh",
        "zsh",
        "busybox",
        "press_c",
        "press_cpp",
        "press_go",
        "press_rs",
    ];
    for program in all {
        assert!(launches.get(program).is_some_and(|count| *count >= 40), "{program}: {launches:?}");
    }
}

#[test]
fn conversions_gave_what_is_predicted() {
    let texts: BTreeMap<_, _> = conversions::texts().unwrap().into_iter().collect();
    assert!(texts.len() >= 60);
    let mut known: BTreeMap<String, BTreeMap<String, String>> = BTreeMap::new();
    for (written, bytes) in &texts {
        known.insert(written.clone(), conversions::prediction(bytes));
    }
    check("receive/conversions.recorded", |case, real| {
        let (conversion, text) = case.split_once(" \"").unwrap();
        let ours = &known[&format!("\"{text}")][conversion];
        (ours == real, ours.clone())
    });
}

#[test]
fn reading_did_what_is_predicted() {
    check("receive/reads.recorded", |case, real| {
        let ours = reads::prediction(case);
        (ours == real, ours)
    });
}
