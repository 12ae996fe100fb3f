//! Receivers, conversions and readings in the real runtimes: those that are recorded, and random texts.

use fizzet_truth::listed::cases;
use fizzet_truth::receivers::Receivers;
use fizzet_truth::{conversions, reads};
use proptest::prelude::*;
use proptest::strategy::ValueTree;
use proptest::test_runner::{Config, TestRunner};

#[test]
#[ignore = "needs the runtimes; .ci/run switches it on"]
fn receivers_see_what_is_predicted() {
    let receivers = Receivers::new().unwrap();
    for line in cases("receive/launches.txt").unwrap() {
        let real = receivers.truth(&line).unwrap().to_string();
        let ours = receivers.prediction(&line).unwrap();
        assert!(ours.is_met_by(&real), "{line}\n  real: {real}\nfizzet: {ours}");
    }
}

#[test]
#[ignore = "needs the runtimes; .ci/run switches it on"]
fn reading_does_what_is_predicted() {
    for (case, real) in reads::truth().unwrap() {
        assert_eq!(real, reads::prediction(&case), "{case}");
    }
}

/// How many random texts are converted, in one run of each language.
const TEXTS: usize = 4000;

fn text() -> impl Strategy<Value = String> {
    let pieces = [
        "0",
        "1",
        "7",
        "9",
        "12",
        "00",
        "255",
        "0x",
        "0X",
        "0b",
        "0o",
        "0d",
        "e",
        "E",
        "e+",
        "e-",
        "p",
        "P",
        "p-",
        "p+",
        ".",
        ".",
        "1_",
        "_7",
        "-",
        "+",
        " ",
        "\t",
        "\n",
        "a",
        "f",
        "F",
        "d",
        "inf",
        "nan",
        "Infinity",
        "NaN",
        "(",
        "ab",
        "922337203685477580",
        "18446744073709551",
        "x",
        "\u{a0}",
        "\u{661}",
        "308",
        "324",
        "1074",
        "99999",
        "000000000000",
        "123456789",
    ];
    proptest::collection::vec(proptest::sample::select(pieces.to_vec()), 1..7)
        .prop_map(|pieces| pieces.concat())
}

#[test]
#[ignore = "needs the runtimes; .ci/run switches it on"]
fn conversions_give_what_is_predicted() {
    let mut runner = TestRunner::new_with_rng(Config::default(), crate::seeded());
    let mut texts: Vec<Vec<u8>> =
        conversions::texts().unwrap().into_iter().map(|(_, bytes)| bytes).collect();
    for _ in 0..TEXTS {
        texts.push(text().new_tree(&mut runner).unwrap().current().into_bytes());
    }
    let ours: Vec<_> = texts.iter().map(|text| conversions::prediction(text)).collect();
    let mut differ = Vec::new();
    for ((conversion, at), real) in conversions::truth(&texts).unwrap() {
        if ours[at][&conversion] != real && !conversions::may_differ(&conversion) {
            let text = String::from_utf8_lossy(&texts[at]);
            differ.push(format!(
                "{conversion} {text:?}\n  real: {real}\nfizzet: {}",
                ours[at][&conversion]
            ));
        }
    }
    assert!(differ.is_empty(), "{} differ:\n{}", differ.len(), differ.join("\n"));
}
