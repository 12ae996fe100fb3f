//! Properties of the option grammar, and the cases that people meet.

use std::collections::BTreeMap;

use proptest::prelude::*;

use crate::dialect::{Dialect, Shell};
use crate::host::{Files, Status};
use crate::receive::contract::build::{build, options_first};
use crate::receive::contract::check::{Outcome, check};
use crate::receive::contract::draft::draft;
use crate::receive::contract::reading::{Reading, RoleKind, read};
use crate::receive::contract::{
    Contract, Convention, Kind, Negative, OperandRule, OptionRule, OptionsStand, usage,
};

/// A folder with one file.
struct Shelf;

impl Files for Shelf {
    fn list(&self, _: &[u8], _: &mut dyn FnMut(&[u8])) -> bool {
        false
    }
    fn exists(&self, path: &[u8]) -> bool {
        path == b"labels.txt" || path == b"hives"
    }
    fn is_folder(&self, path: &[u8]) -> bool {
        path == b"hives"
    }
    fn status(&self, _: &[u8], _: bool) -> Option<Status> {
        None
    }
    fn read(&self, _: &[u8], _: usize) -> Option<Vec<u8>> {
        None
    }
}

fn option(name: &str, short: u8, value: bool) -> OptionRule {
    OptionRule {
        name: name.into(),
        short: Some(short),
        long: Some(name.into()),
        value: value.then(|| name.to_uppercase()),
        repeats: true,
        ..OptionRule::default()
    }
}

fn operand(name: &str, from: usize, to: Option<usize>) -> OperandRule {
    OperandRule { name: name.into(), from, to, ..OperandRule::default() }
}

fn press(convention: Convention) -> Contract {
    Contract {
        program: "press".into(),
        about: String::new(),
        convention,
        options: vec![
            option("weight", b'w', true),
            option("verbose", b'v', false),
            option("verify", b'5', false),
        ],
        operands: vec![
            operand("honey", 1, Some(1)),
            operand("jar", 0, None),
            operand("stand", 1, Some(1)),
        ],
    }
}

fn vector(words: &[&str]) -> Vec<Vec<u8>> {
    ["press"].iter().chain(words).map(|word| word.as_bytes().to_vec()).collect()
}

fn judged(contract: &Contract, words: &[&str]) -> Outcome {
    check(contract, &vector(words), &Shelf)
}

fn names(outcome: &Outcome) -> Vec<&'static str> {
    outcome.problems.iter().map(|one| one.name).collect()
}

fn conventions() -> impl Strategy<Value = Convention> {
    let stands = [OptionsStand::BeforeOperands, OptionsStand::Anywhere, OptionsStand::Nowhere];
    let negatives = [Negative::Option, Negative::Operand, Negative::OperandUnlessOption];
    let flags = proptest::collection::vec(any::<bool>(), 6);
    (proptest::sample::select(stands.to_vec()), proptest::sample::select(negatives.to_vec()), flags)
        .prop_map(|(options, negative, flags)| Convention {
            options,
            negative,
            one_dash: flags[0],
            separator: flags[1],
            clusters: flags[2],
            attached: flags[3],
            equals: flags[4],
            shortened: flags[5],
        })
}

fn words() -> impl Strategy<Value = Vec<Vec<u8>>> {
    let known = [
        "-w",
        "-v",
        "-vw",
        "-w25",
        "-vv",
        "--weight",
        "--weight=25",
        "--verbose",
        "--ver",
        "--verb=",
        "-weight",
        "--",
        "-",
        "-5",
        "-1.5",
        "-x",
        "--nosuch",
        "",
        "lime honey",
        "25",
        "=",
        "-w=",
        "--=",
    ];
    let known = proptest::sample::select(known.to_vec()).prop_map(|word| word.as_bytes().to_vec());
    let any = proptest::collection::vec(any::<u8>(), 0..5);
    proptest::collection::vec(prop_oneof![4 => known, 1 => any], 0..9)
}

fn given(vector: &[Vec<u8>], reading: &Reading) -> Vec<(usize, Option<Vec<u8>>)> {
    let value = |one: &Option<(usize, std::ops::Range<usize>)>| {
        one.as_ref().map(|(element, bytes)| vector[*element][bytes.clone()].to_vec())
    };
    reading.given.iter().map(|one| (one.option, value(&one.value))).collect()
}

proptest! {
    #[test]
    fn roles_cover_the_vector_exactly(convention in conventions(), words in words()) {
        let vector: Vec<Vec<u8>> = [b"press".to_vec()].into_iter().chain(words).collect();
        let reading = read(&press(convention), &vector);
        let mut roles = reading.roles.iter().peekable();
        for (element, bytes) in vector.iter().enumerate() {
            let mut at = 0;
            let mut seen = 0;
            while let Some(role) = roles.next_if(|role| role.element == element) {
                prop_assert_eq!(role.bytes.start, at);
                at = role.bytes.end;
                seen += 1;
            }
            prop_assert_eq!(at, bytes.len());
            prop_assert!(seen > 0);
        }
        prop_assert!(roles.next().is_none());
    }

    #[test]
    fn another_order_loses_and_invents_nothing(convention in conventions(), words in words()) {
        let contract = press(convention);
        let vector: Vec<Vec<u8>> = [b"press".to_vec()].into_iter().chain(words).collect();
        let reading = read(&contract, &vector);
        let moved = options_first(&vector, &reading);
        let sorted = |vector: &[Vec<u8>]| {
            let mut all = vector.to_vec();
            all.sort();
            all
        };
        prop_assert_eq!(sorted(&moved), sorted(&vector));
        if reading.mistakes.is_empty() {
            let again = read(&contract, &moved);
            prop_assert_eq!(given(&moved, &again), given(&vector, &reading));
            let operands = |vector: &[Vec<u8>], reading: &Reading| -> Vec<Vec<u8>> {
                reading.operands.iter().map(|(element, _)| vector[*element].clone()).collect()
            };
            prop_assert_eq!(operands(&moved, &again), operands(&vector, &reading));
        }
    }

    #[test]
    fn a_vector_from_values_gives_them_back(
        convention in conventions(),
        weights in proptest::collection::vec("[a-z0-9=-]{0,4}", 0..3),
        times in 0..3usize,
        operands in proptest::collection::vec("[a-z0-9 =-]{0,4}", 2..5),
    ) {
        let convention = Convention { options: OptionsStand::Anywhere, ..convention };
        let contract = press(convention);
        let bytes = |texts: &[String]| texts.iter().map(|text| text.clone().into_bytes()).collect::<Vec<_>>();
        let count = operands.len();
        let values = BTreeMap::from([
            ("weight".to_owned(), bytes(&weights)),
            ("verbose".to_owned(), vec![Vec::new(); times]),
            ("honey".to_owned(), bytes(&operands[..1])),
            ("jar".to_owned(), bytes(&operands[1..count - 1])),
            ("stand".to_owned(), bytes(&operands[count - 1..])),
        ]);
        let Ok(vector) = build(&contract, &values) else { return Ok(()) };
        let outcome = check(&contract, &vector, &Shelf);
        prop_assert!(outcome.problems.is_empty(), "{:?} {:?}", vector, outcome.problems);
        for value in &outcome.values {
            let back: Vec<Vec<u8>> = value.values.iter().map(|(_, bytes)| bytes.clone()).collect();
            match value.kind {
                Some(_) => prop_assert_eq!(&back, &values.get(&value.name).cloned().unwrap_or_default()),
                None => prop_assert_eq!(value.times, values.get(&value.name).map_or(0, Vec::len)),
            }
        }
    }
}

#[test]
fn each_convention_reads_in_its_own_way() {
    let anywhere = Convention { options: OptionsStand::Anywhere, ..Convention::default() };
    let found = judged(&press(anywhere), &["lime", "-vw25", "north", "--weight=30"]);
    assert!(found.problems.is_empty(), "{:?}", found.problems);
    let first = judged(&press(Convention::default()), &["-v", "lime", "-w", "north"]);
    assert_eq!(first.reading.operands.len(), 3);
    let one_dash = Convention { one_dash: true, ..anywhere };
    assert_eq!(judged(&press(one_dash), &["-weight", "25", "a", "b"]).reading.given.len(), 1);
    let short = Convention { shortened: true, ..anywhere };
    assert_eq!(names(&judged(&press(short), &["--ver", "a", "b"])), ["ambiguous-option"]);
    assert!(judged(&press(short), &["--we=2", "a", "b"]).problems.is_empty());
    let apart = Convention { attached: false, clusters: false, ..anywhere };
    assert_eq!(names(&judged(&press(apart), &["-w25", "a", "b"])), ["attached-value"]);
    assert_eq!(names(&judged(&press(apart), &["-vv", "a", "b"])), ["clustered-options"]);
}

#[test]
fn negative_numbers_are_taken_as_the_contract_says() {
    let with = |negative| Convention {
        negative,
        options: OptionsStand::Anywhere,
        ..Convention::default()
    };
    let kinds = |negative| {
        let found = judged(&press(with(negative)), &["a", "-5", "-1.5", "b"]);
        found.reading.operands.len()
    };
    assert_eq!(kinds(Negative::Operand), 4);
    assert_eq!(kinds(Negative::Option), 2);
    // A digit is the letter of an option here.
    assert_eq!(kinds(Negative::OperandUnlessOption), 2);
}

#[test]
fn what_is_wrong_is_named() {
    let mut contract =
        press(Convention { options: OptionsStand::Anywhere, ..Convention::default() });
    contract.options[0].kind = Kind::Int;
    contract.options[0].repeats = false;
    contract.options[1].excludes = vec!["verify".into()];
    contract.options[2].needs = vec!["weight".into()];
    contract.operands[0].kind = Kind::File;
    contract.operands[1].to = Some(1);
    let found = judged(&contract, &["-v5", "-w", "x", "-w2", "hives", "a", "b", "c"]);
    assert_eq!(
        names(&found),
        ["repeated-option", "excluded-option", "ill-typed", "ill-typed", "left-over"]
    );
    assert_eq!(found.reading.roles.last().map(|role| role.kind), Some(RoleKind::LeftOver));
    let none = judged(&contract, &["-5", "labels.txt"]);
    assert_eq!(names(&none), ["needed-option", "missing-operand"]);
    assert_eq!(names(&judged(&contract, &["labels.txt", "a", "-w"])), ["missing-value"]);
    assert_eq!(names(&judged(&contract, &["labels.txt", "a", "--verbose=x"])), ["unwanted-value"]);
    assert_eq!(usage::line(&contract), "press [-w WEIGHT] [-v]... [-5]... [--] HONEY [JAR] STAND");
}

#[test]
fn a_draft_holds_what_a_script_checks_with_certainty() {
    let drafted =
        |text: &str| draft(text.as_bytes(), "press", &Dialect::of(Shell::Posix)).unwrap().contract;
    let counts = |text: &str| -> Vec<(String, usize, Option<usize>)> {
        drafted(text).operands.into_iter().map(|one| (one.name, one.from, one.to)).collect()
    };
    let script = "usage() { echo; exit 2; }\n[ $# -ge 1 ] || usage\nif test \"$#\" -gt 2; then exit 1; fi\nhoney=$1 jar=$2\n";
    assert_eq!(counts(script), [("honey".into(), 1, Some(1)), ("jar".into(), 0, Some(1))]);
    let script = "case $# in 1|2) ;; *) exit 1 ;; esac; label \"$@\"";
    assert_eq!(counts(script), [("args".into(), 1, Some(2))]);
    assert_eq!(counts("f() { label $3; }; label ${1?no honey}"), [("arg1".into(), 1, Some(1))]);
    // What is not always carried out, or refuses nothing, is left out.
    for script in [
        "if [ \"$x\" ]; then [ $# -eq 2 ] || exit 1; fi; label $1",
        "[ $# -eq 2 ] || exit 0; label $1",
        "( [ $# -eq 2 ] || exit 1 ); label $1",
        "label ${1:-why?}",
    ] {
        assert_eq!(counts(script), [("arg1".into(), 0, Some(1))], "{script}");
    }
    assert_eq!(counts("batch=$1; shift; for jar; do label \"$jar\"; done").len(), 2);
    let script = "[ $# -gt 0 ] || exit; while getopts :w:n o; do case $o in w) weight=$OPTARG;; esac; done\n\
                  shift $((OPTIND - 1)); [ $# -eq 0 ] && exit 1; label $1";
    let contract = drafted(script);
    let options: Vec<_> =
        contract.options.iter().map(|one| (one.name.as_str(), one.value.is_some())).collect();
    assert_eq!(options, [("weight", true), ("n", false)]);
    assert_eq!(contract.operands[0].from, 1);
}
