//! Every recorded `#!` file, without executing it.

use fizzet_truth::kernel::{Scripts, Workshop, recorded_scripts, script_lines};

#[test]
fn the_kernel_did_what_is_predicted() {
    let program = std::env::current_exe().unwrap();
    let workshop = Workshop::without_helper(&program).unwrap();
    let cases = recorded_scripts().unwrap();
    assert!(cases.len() >= 150, "only {} #! files are recorded", cases.len());
    let lines: Vec<String> = cases.iter().map(|(line, _)| line.clone()).collect();
    assert_eq!(lines, script_lines().unwrap(), "run cargo xtask kernel");
    let mut differ = Vec::new();
    for (line, real) in &cases {
        let ours = workshop.prediction(&Scripts::read(line)).unwrap().to_string();
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
