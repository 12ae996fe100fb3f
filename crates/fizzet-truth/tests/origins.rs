//! Where every byte of every recorded line comes from, in every mode.

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Place, origin_mistakes, read, topics, with_end};

/// Checks a shell on all recorded lines.
fn check(shell: Shell) {
    let place = Place::without_receiver().unwrap();
    let (mut runs, mut found) = (0, Vec::new());
    for topic in topics().unwrap() {
        for case in read(&topic).unwrap() {
            let trace = place.trace(shell, with_end(&case.line).as_bytes(), &ARGUMENTS);
            let (looked_at, told) = origin_mistakes(&trace);
            runs += looked_at;
            found.extend(told.iter().map(|one| format!("{topic}: {}\n    {one}", case.line)));
        }
    }
    assert!(runs > 10_000, "only {runs} runs were looked at");
    assert!(found.is_empty(), "{} mistakes for {shell}:\n{}", found.len(), found.join("\n"));
}

/// A test for each shell, where deep recursion has room.
macro_rules! suites {
    ($($shell:ident),+) => {$(
        #[test]
        fn $shell() {
            let shell = Shell::from_name(stringify!($shell)).unwrap();
            let worker = std::thread::Builder::new().stack_size(256 << 20);
            worker.spawn(move || check(shell)).unwrap().join().unwrap();
        }
    )+};
}

suites!(posix, bash, dash, busybox, ksh93, mksh, zsh);
