//! Every recorded line in every mode, with no shell needed: the vectors that it passes on, and where
//! every byte of them comes from.

use fizzet_core::dialect::Shell;
use fizzet_truth::{
    ARGUMENTS, Case, Place, is_in_no_order, known_differences, origin_mistakes, read, topics,
    with_end,
};

/// What the recorded lines say about one shell.
#[derive(Default)]
struct Findings {
    /// How many lines have vectors of that shell.
    checked: usize,
    /// Lines on which the prediction differs from what the shell passed on, and how.
    differences: Vec<(String, String)>,
    /// How many runs of bytes with one origin the predicted vectors have.
    runs: usize,
    /// Runs that do not stand where they are said to come from.
    mistakes: Vec<String>,
}

impl Findings {
    fn of(shell: Shell) -> Findings {
        let place = Place::without_receiver().unwrap();
        let mut found = Findings::default();
        for topic in topics().unwrap() {
            for case in read(&topic).unwrap() {
                found.look_at(&place, shell, &topic, &case);
            }
        }
        found
    }

    fn look_at(&mut self, place: &Place, shell: Shell, topic: &str, case: &Case) {
        let trace = place.trace(shell, with_end(&case.line).as_bytes(), &ARGUMENTS);
        let (runs, mistakes) = origin_mistakes(&trace);
        self.runs += runs;
        let told = mistakes.iter().map(|one| format!("{topic}: {}\n    {one}", case.line));
        self.mistakes.extend(told);
        let Some(got) = case.got.iter().find(|got| got.shells.contains(&shell)) else { return };
        self.checked += 1;
        let (mut ours, mut real) = (place.outcome(&trace), got.outcome.clone());
        if is_in_no_order(&case.line) {
            (ours, real) = (ours.sorted(), real.sorted());
        }
        if ours != real {
            let told = format!("{topic}: {}\n    real: {real}\n  fizzet: {ours}", case.line);
            self.differences.push((case.line.clone(), told));
        }
    }
}

/// The findings of a shell, none of which is an origin that is not true. Deep recursion has room.
fn looked_at(shell: Shell) -> Findings {
    let worker = std::thread::Builder::new().stack_size(256 << 20);
    let found = worker.spawn(move || Findings::of(shell)).unwrap().join().unwrap();
    let Findings { runs, mistakes, .. } = &found;
    assert!(*runs > 10_000, "only {runs} runs were looked at");
    assert!(
        mistakes.is_empty(),
        "{} mistakes for {shell}:\n{}",
        mistakes.len(),
        mistakes.join("\n")
    );
    found
}

/// Checks a shell: nothing differs but the lines of docs/DIFFERENCES.md, and those do.
fn check(shell: Shell) {
    let Findings { checked, differences, .. } = looked_at(shell);
    assert!(checked >= 1500, "only {checked} lines are recorded for {shell}");
    let known = known_differences(shell).unwrap();
    let new: Vec<&str> = differences
        .iter()
        .filter(|(line, _)| !known.contains(line))
        .map(|(_, told)| told.as_str())
        .collect();
    assert!(new.is_empty(), "{} of {checked} lines differ:\n{}", new.len(), new.join("\n"));
    let gone: Vec<String> = known
        .iter()
        .filter(|line| !differences.iter().any(|(differs, _)| differs == *line))
        .map(|line| line.replace('\n', "␤"))
        .collect();
    assert!(
        gone.is_empty(),
        "{shell} no longer differs; take out of known.txt:\n{}",
        gone.join("\n")
    );
}

#[test]
fn posix_knows_where_every_byte_comes_from() {
    looked_at(Shell::Posix);
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
