//! `#!` files and calls on the running kernel: those that are recorded, and random ones.

use fizzet_core::kernel::limits;
use fizzet_truth::kernel::{Launched, Scripts, Workshop};
use fizzet_truth::listed::cases;
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
    agree(cases("kernel/scripts.txt").unwrap(), |line| {
        let scripts = Scripts::read(line);
        (workshop.truth(&scripts).unwrap(), workshop.prediction(&scripts).unwrap())
    });
}

#[test]
#[ignore = "needs the running kernel and cc; .ci/run switches it on"]
fn the_kernel_agrees_on_recorded_calls() {
    let workshop = workshop();
    agree(cases("kernel/calls.txt").unwrap(), |line| {
        (workshop.called(line).unwrap(), workshop.call_prediction(line).unwrap())
    });
}

/// A vector that takes so many bytes, strings and pointers together.
fn vector_of(bytes: u64) -> Vec<Vec<u8>> {
    let mut vector = vec![b"label".to_vec()];
    let mut left = bytes - 6 - 8;
    while left > 9 {
        let length = (left - 9).min(100_000);
        vector.push(vec![b'x'; length as usize]);
        left -= length + 9;
    }
    vector[0].resize(5 + left as usize, b'y');
    vector
}

#[test]
#[ignore = "needs the running kernel and cc; .ci/run switches it on"]
fn limits_are_where_the_kernel_has_them() {
    let workshop = workshop();
    let path = "/bin/true".len() as u64 + 1;
    for stack in [400 << 10, 512 << 10, 1 << 20, 3_000_001, 8 << 20, 24 << 20, 32 << 20, 1 << 40] {
        let limit = limits::total(stack);
        for (bytes, fits) in [(limit - path, true), (limit - path + 1, false)] {
            let outcome = workshop.fits(&vector_of(bytes), stack).unwrap();
            assert_eq!(outcome, (fits, fits), "{bytes} bytes, stack limit {stack}");
        }
    }
    for stack in [16_384u64, 20_000, 65_536, 100_000] {
        let room = stack / 4096 * 4096 - 8 - path - "label".len() as u64 - 1;
        for (bytes, fits) in [(room, true), (room + 1, false)] {
            let vector = [b"label".to_vec(), vec![b'x'; bytes as usize - 1]];
            let outcome = workshop.fits(&vector, stack).unwrap();
            assert_eq!(outcome, (fits, fits), "{bytes} bytes, stack limit {stack}");
        }
    }
    for (length, fits) in [(131_071, true), (131_072, false)] {
        let outcome = workshop.fits(&[b"label".to_vec(), vec![b'x'; length]], 8 << 20).unwrap();
        assert_eq!(outcome, (fits, fits), "one string of {length} bytes");
    }
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
            prop_assert!(truth.is_as(&prediction), "{} is not {}", truth, prediction);
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
