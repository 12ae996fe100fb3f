//! Every recorded `#!` file and call, without executing it.

use fizzet_truth::kernel::{Launched, Scripts, Workshop};
use fizzet_truth::listed::{cases, recorded};

fn workshop() -> Workshop {
    Workshop::without_helper(&std::env::current_exe().unwrap()).unwrap()
}

fn check(name: &str, least: usize, predict: impl Fn(&str) -> Launched) {
    let lines = self::cases(&format!("{name}.txt")).unwrap();
    let cases = recorded(&format!("{name}.recorded")).unwrap();
    assert!(cases.len() >= least, "only {} are recorded in {name}", cases.len());
    let known: Vec<&String> = cases.iter().map(|(line, _)| line).collect();
    assert!(known.iter().copied().eq(&lines), "run cargo xtask kernel");
    let mut differ = Vec::new();
    for (line, real) in &cases {
        let ours = predict(line).to_string();
        if ours != *real {
            differ.push(format!("{line}\n    real: {real}\n  fizzet: {ours}"));
        }
    }
    assert!(
        differ.is_empty(),
        "{} of {} differ:\n{}",
        differ.len(),
        cases.len(),
        differ.join("\n")
    );
}

#[test]
fn the_kernel_did_with_scripts_what_is_predicted() {
    let workshop = workshop();
    let predict = |line: &str| workshop.prediction(&Scripts::read(line)).unwrap();
    check("kernel/scripts", 150, predict);
}

#[test]
fn calls_did_what_is_predicted() {
    let workshop = workshop();
    let predict = |line: &str| workshop.call_prediction(line).unwrap();
    check("kernel/calls", 100, predict);
}
