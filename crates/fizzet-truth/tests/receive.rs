//! Every recorded launch, without a runtime.

use std::collections::BTreeMap;

use fizzet_truth::listed::{cases, recorded};
use fizzet_truth::receivers::Receivers;

#[test]
fn receivers_saw_what_is_predicted() {
    let receivers = Receivers::unbuilt().unwrap();
    let done = recorded("receive/launches.recorded").unwrap();
    let lines: Vec<&String> = done.iter().map(|(line, _)| line).collect();
    assert!(
        lines.into_iter().eq(&cases("receive/launches.txt").unwrap()),
        "run cargo xtask receive"
    );
    let mut launches = BTreeMap::new();
    let mut differ = Vec::new();
    for (line, real) in &done {
        let program = line.split(' ').next().unwrap_or_default();
        *launches.entry(program.trim_start_matches("./")).or_insert(0) += 1;
        let ours = receivers.prediction(line).unwrap();
        if !ours.is_met_by(real) {
            differ.push(format!("{line}\n    real: {real}\n  fizzet: {ours}"));
        }
    }
    assert!(differ.is_empty(), "{} of {} differ:\n{}", differ.len(), done.len(), differ.join("\n"));
    let many = [
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
        "press_c",
        "press_cpp",
        "press_go",
        "press_rs",
    ];
    for program in many {
        assert!(launches.get(program).is_some_and(|count| *count >= 40), "{program}: {launches:?}");
    }
}
