//! Every recorded vector, in every mode, with no shell needed.

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Place, is_in_no_order, known_differences, read, topics, with_end};

/// Lines on which the prediction differs from what a shell passed on, and how.
fn differences(shell: Shell) -> (usize, Vec<(String, String)>) {
    let place = Place::without_receiver().unwrap();
    let (mut checked, mut differences) = (0, Vec::new());
    for topic in topics().unwrap() {
        for case in read(&topic).unwrap() {
            let Some(got) = case.got.iter().find(|got| got.shells.contains(&shell)) else {
                continue;
            };
            checked += 1;
            let line = with_end(&case.line);
            let mut ours = place.prediction(shell, line.as_bytes(), &ARGUMENTS);
            let mut real = got.outcome.clone();
            if is_in_no_order(&case.line) {
                (ours, real) = (ours.sorted(), real.sorted());
            }
            if ours != real {
                let told = format!("{topic}: {}\n    real: {real}\n  fizzet: {ours}", case.line);
                differences.push((case.line, told));
            }
        }
    }
    (checked, differences)
}

/// Checks a shell: nothing differs but the lines of docs/DIFFERENCES.md, and those do.
fn check(shell: Shell) {
    let worker = std::thread::Builder::new().stack_size(256 << 20);
    let (checked, found) = worker.spawn(move || differences(shell)).unwrap().join().unwrap();
    assert!(checked >= 1500, "only {checked} lines are recorded for {shell}");
    let known = known_differences(shell).unwrap();
    let new: Vec<&str> = found
        .iter()
        .filter(|(line, _)| !known.contains(line))
        .map(|(_, told)| told.as_str())
        .collect();
    assert!(new.is_empty(), "{} of {checked} lines differ:\n{}", new.len(), new.join("\n"));
    let gone: Vec<String> = known
        .iter()
        .filter(|line| !found.iter().any(|(differs, _)| differs == *line))
        .map(|line| line.replace('\n', "␤"))
        .collect();
    assert!(
        gone.is_empty(),
        "{shell} no longer differs; take out of known.txt:\n{}",
        gone.join("\n")
    );
}

#[test]
fn bash_passed_on_what_is_predicted() {
    check(Shell::Bash);
}

#[test]
fn dash_passed_on_what_is_predicted() {
    check(Shell::Dash);
}

#[test]
fn busybox_passed_on_what_is_predicted() {
    check(Shell::Busybox);
}

#[test]
fn ksh93_passed_on_what_is_predicted() {
    check(Shell::Ksh93);
}

#[test]
fn mksh_passed_on_what_is_predicted() {
    check(Shell::Mksh);
}

#[test]
fn zsh_passed_on_what_is_predicted() {
    check(Shell::Zsh);
}

/// A line that lists the root folder, whose entries are the machine's own, can be right on the
/// machine that recorded it only.
#[test]
fn no_line_lists_the_root_folder_of_the_machine() {
    for topic in topics().unwrap() {
        for case in read(&topic).unwrap() {
            let told = case.got.iter().map(|got| got.outcome.to_string()).collect::<String>();
            assert!(!told.contains("[/proc]"), "{topic}: {}", case.line);
        }
    }
}
