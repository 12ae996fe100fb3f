//! `#!` files and calls on the running kernel: those that are recorded, and random ones.

use fizzet_truth::calls::call_lines;
use fizzet_truth::kernel::{Launched, Scripts, Workshop, script_lines};
use proptest::prelude::*;
use proptest::test_runner::{Config, TestError, TestRunner};

/// How many files are drawn.
const CASES: u32 = 5000;

fn workshop() -> Workshop {
    Workshop::new(std::path::Path::new(env!("CARGO_BIN_EXE_fizzet"))).unwrap()
}

fn agree(lines: Vec<String>, both: impl Fn(&str) -> (Launched, Launched)) {
    for line in lines {
        let (truth, ours) = both(&line);
        assert_eq!(truth, ours, "{line}");
    }
}

#[test]
#[ignore = "needs the running kernel and cc; .ci/run switches it on"]
fn the_kernel_agrees_on_recorded_scripts() {
    let workshop = workshop();
    agree(script_lines().unwrap(), |line| {
        let scripts = Scripts::read(line);
        (workshop.truth(&scripts).unwrap(), workshop.prediction(&scripts).unwrap())
    });
}

#[test]
#[ignore = "needs the running kernel and cc; .ci/run switches it on"]
fn the_kernel_agrees_on_recorded_calls() {
    let workshop = workshop();
    agree(call_lines().unwrap(), |line| {
        (workshop.called(line).unwrap(), workshop.call_prediction(line).unwrap())
    });
}

/// A piece of a first line.
fn piece() -> impl Strategy<Value = Vec<u8>> {
    let fixed: Vec<&[u8]> = vec![
        b" ",
        b" ",
        b"\t",
        b"./label",
        b"./label",
        b"label",
        b"bin/hive",
        b"./lid",
        b"./nosuch",
        b"/usr/bin/env ",
        b"/usr/bin/env -S ",
        b"hive",
        b"a",
        b"-x",
        b"'a b'",
        b"\"${HIVE}\"",
        b"\\",
        b"\r",
        b"\0",
        b"\n",
        b"#",
        b"/",
        b".",
        b"\x0b",
        b"\xff",
        b"${NOSUCH}",
        b"\\_",
        b"\\t",
    ];
    prop_oneof![
        8 => proptest::sample::select(fixed).prop_map(<[u8]>::to_vec),
        1 => (0..270usize, proptest::sample::select(b" x/\t\0".to_vec()))
            .prop_map(|(count, byte)| vec![byte; count]),
        1 => proptest::collection::vec(any::<u8>(), 0..4),
    ]
}

fn script() -> impl Strategy<Value = Vec<u8>> {
    let start = proptest::sample::select(vec![
        &b"#!"[..],
        b"#!./label",
        b"#!./label ",
        b"#! /usr/bin/env -S hive ",
        b"#!./lid ",
        b"",
    ]);
    let end = proptest::sample::select(vec![&b"\n"[..], b"", b" \n", b"\nlabel\n"]);
    (start, proptest::collection::vec(piece(), 0..7), end)
        .prop_map(|(start, pieces, end)| [start, &pieces.concat(), end].concat())
}

#[test]
#[ignore = "needs the running kernel and cc; .ci/run switches it on"]
fn the_kernel_agrees_on_first_lines() {
    let workshop = workshop();
    let config = Config { cases: CASES, failure_persistence: None, ..Config::default() };
    let outcome = TestRunner::new_with_rng(config, crate::seeded()).run(
        &(script(), script()),
        |(press, lid)| {
            let scripts = Scripts {
                files: vec![("press".into(), 0o755, press), ("lid".into(), 0o755, lid)],
                start: b"./press".to_vec(),
                argv: vec![b"zero".to_vec(), b"lime honey".to_vec()],
            };
            let truth = workshop.truth(&scripts).unwrap();
            let prediction = workshop.prediction(&scripts).unwrap();
            prop_assert_eq!(truth, prediction);
            Ok(())
        },
    );
    match outcome {
        Ok(()) => {}
        Err(TestError::Fail(why, (press, lid))) => {
            panic!("{why}\npress: {}\n  lid: {}", press.escape_ascii(), lid.escape_ascii())
        }
        Err(other) => panic!("{other}"),
    }
}
