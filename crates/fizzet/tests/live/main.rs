//! Live truth: random lines in real shells. Ignored by default; `.ci/run` switches it on.
//!
//! FIZZET_LIVE_CASES sets how many texts are drawn for each shell, and
//! FIZZET_LIVE_SEED which ones: a run with the same seed draws the same, so that a red run says
//! something about the change and not about luck. Other seeds are for hunting.

mod extensions;
mod kernel;
mod lines;
mod links;
mod nested;
mod programs;
mod receive;
mod regular;
mod scripts;

use std::path::Path;

use fizzet_core::dialect::Shell;
use fizzet_truth::{Place, find, origin_mistakes, with_end};
use proptest::prelude::*;
use proptest::test_runner::{Config, RngAlgorithm, TestCaseError, TestRng, TestRunner};

/// One random line with its arguments.
#[derive(Clone, Debug)]
pub(crate) struct Drawn {
    line: String,
    arguments: Vec<String>,
}

/// The generator for the seed of this run.
fn seeded() -> TestRng {
    let seed = std::env::var("FIZZET_LIVE_SEED").ok().and_then(|seed| seed.parse().ok());
    let mut bytes = [0; 32];
    bytes[..8].copy_from_slice(&seed.unwrap_or(1u64).to_le_bytes());
    TestRng::from_seed(RngAlgorithm::ChaCha, &bytes)
}

fn cases() -> u32 {
    std::env::var("FIZZET_LIVE_CASES").ok().and_then(|count| count.parse().ok()).unwrap_or(1000)
}

/// Whether a row of docs/DIFFERENCES.md says that a shell and Fizzet differ on such a text.
fn is_known(shell: Shell, line: &str) -> bool {
    let has = |text: &str| line.contains(text);
    match shell {
        // Memory of the shell that nobody has written to: slices of what is empty.
        Shell::Ksh93 => {
            let slices = ["${x:", "${y:", "${@:"].iter().any(|slice| has(slice));
            // A group with a percent sign before it, and alternatives without a group.
            let percent = has("%(a)") || has("%a|b}");
            percent
                || (has("IFS=; ") && ["$*", "${*}", "[*]}"].iter().any(|list| has(list)))
                || slices
        }
        // The same, behind a tilde and a name.
        Shell::Busybox => has("~root${"),
        // The length of a process number; a brace that vanishes where the text ends.
        Shell::Zsh => has("$#$") || has("$#\\\n$") || line.ends_with("}\\\n"),
        _ => false,
    }
}

fn compare(shell: Shell, drawn: impl Strategy<Value = Drawn>, cases: u32) {
    assert!(find(shell).is_some(), "{shell} is not installed; .ci/run installs it");
    let place = Place::new(Path::new(env!("CARGO_BIN_EXE_fizzet"))).unwrap();
    let config =
        Config { cases, failure_persistence: None, max_shrink_iters: 4000, ..Config::default() };
    let endless = std::cell::Cell::new(0u32);
    let outcome = TestRunner::new_with_rng(config, seeded()).run(&drawn, |drawn| {
        let line = with_end(&drawn.line);
        let arguments: Vec<&[u8]> =
            drawn.arguments.iter().map(|argument| argument.as_bytes()).collect();
        let trace = place.trace(shell, line.as_bytes(), &arguments);
        let (_, mistakes) = origin_mistakes(&trace);
        if !mistakes.is_empty() {
            return Err(TestCaseError::fail(mistakes.join("\n")));
        }
        if is_known(shell, &drawn.line) {
            return Ok(());
        }
        let truth = match place.truth(shell, line.as_bytes(), &arguments) {
            // A text that grows and grows, or on which a shell hangs, has no outcome.
            Err(error) if error.kind() == std::io::ErrorKind::TimedOut => {
                endless.set(endless.get() + 1);
                return Ok(());
            }
            truth => truth.unwrap(),
        };
        let prediction = place.outcome(&trace);
        if truth == prediction {
            return Ok(());
        }
        Err(TestCaseError::fail(format!("\n   real: {truth}\n fizzet: {prediction}")))
    });
    if let Err(error) = outcome {
        panic!("{shell}: {error}");
    }
    let endless = endless.get();
    assert!(endless <= 1 + cases / 1000, "{shell}: {endless} of {cases} texts have no outcome");
}

/// The same text, which the shell reads from a file.
fn in_a_file(drawn: Drawn) -> Drawn {
    Drawn { line: format!("@file {}", drawn.line), ..drawn }
}

/// The suites of one shell: lines, programs and what goes beyond POSIX.
macro_rules! suites {
    ($($shell:ident),+) => {$(
        mod $shell {
            use fizzet_core::dialect::Shell;

            use proptest::strategy::Strategy;

            fn shell() -> Shell {
                Shell::from_name(stringify!($shell)).unwrap()
            }

            #[test]
            #[ignore = "needs the real shell; .ci/run switches it on"]
            fn agrees_on_lines() {
                crate::compare(shell(), crate::lines::line(), crate::cases() / 2);
            }

            #[test]
            #[ignore = "needs the real shell; .ci/run switches it on"]
            fn agrees_on_programs() {
                crate::compare(shell(), crate::programs::program(), crate::cases() / 5);
            }

            #[test]
            #[ignore = "needs the real shell; .ci/run switches it on"]
            fn agrees_on_extensions() {
                crate::compare(shell(), crate::extensions::line(shell()), crate::cases() * 3 / 10);
            }

            #[test]
            #[ignore = "needs the real shell; .ci/run switches it on"]
            fn agrees_on_scripts() {
                let scripts = crate::scripts::script(shell()).prop_map(crate::in_a_file);
                crate::compare(shell(), scripts, crate::cases() * 3 / 10);
            }
        }
    )+};
}

suites!(bash, dash, busybox, ksh93, mksh, zsh);

/// Nested words. Missing are busybox sh, whose replacements reach into the rest of the word, and ksh93 and mksh, which
/// end by themselves on some of these lines.
macro_rules! nested_suites {
    ($($name:ident: $shell:ident),+) => {$(
        #[test]
        #[ignore = "needs the real shell; .ci/run switches it on"]
        fn $name() {
            compare(Shell::$shell, nested::line(Shell::$shell), cases() / 50);
        }
    )+};
}

nested_suites!(
    bash_agrees_on_nested_words: Bash,
    dash_agrees_on_nested_words: Dash,
    zsh_agrees_on_nested_words: Zsh
);

#[test]
#[ignore = "needs the real shells; .ci/run switches it on"]
fn shells_agree_on_regular_expressions() {
    for shell in [Shell::Bash, Shell::Ksh93, Shell::Zsh] {
        compare(shell, regular::line(shell), cases() / 5);
    }
}
