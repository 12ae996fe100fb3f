//! Live truth: random lines in real shells. Ignored by default; `.ci/run` switches it on.
//!
//! FIZZET_LIVE_CASES sets how many lines are drawn for each shell, FIZZET_LIVE_SHELLS which shells.

mod support;

use fizzet_core::dialect::Shell;
use proptest::prelude::*;
use proptest::test_runner::{Config, TestCaseError, TestRunner};
use support::{Place, real, shown};

/// One random line with its arguments.
#[derive(Clone, Debug)]
struct Drawn {
    line: String,
    arguments: Vec<String>,
}

fn value() -> impl Strategy<Value = String> {
    let piece = prop_oneof![
        4 => Just("a"), 3 => Just("b"), 4 => Just(" "), 2 => Just(":"), 1 => Just("\t"), 1 => Just("x"),
        1 => Just("*"), 1 => Just("?"), 1 => Just("\\"), 1 => Just("-"), 1 => Just("ä"), 1 => Just("[a-z]"),
        1 => Just("\n"), 1 => Just("~"), 1 => Just("lid"), 1 => Just("/"), 1 => Just("combs"),
    ];
    proptest::collection::vec(piece, 0..6).prop_map(|pieces| pieces.concat())
}

/// A piece of a word outside quotes.
fn unquoted() -> impl Strategy<Value = String> {
    let fixed =
        |texts: &'static [&'static str]| proptest::sample::select(texts).prop_map(String::from);
    prop_oneof![
        6 => fixed(&["a", "b", "lid", "x", "1", ":", "-", "=", ",", "ä", "a#b", "."]),
        3 => fixed(&["*", "?", "[a-z]", "[!a]", "[[:alpha:]]", "b*", "*.txt", "[", "]", "/", "*/", "./", "{", "}", "^", "!"]),
        2 => fixed(&["~", "~/", "a=~", ":~", "y="]),
        2 => fixed(&["\\ ", "\\*", "\\\\", "\\$", "\\\"", "\\a", "\\\n", "\\'"]),
        8 => parameter(),
    ]
}

fn parameter() -> impl Strategy<Value = String> {
    let fixed =
        |texts: &'static [&'static str]| proptest::sample::select(texts).prop_map(String::from);
    fixed(&[
        "$x", "$y", "$z", "${x}", "${y}", "${z}", "$@", "$*", "$1", "$2", "${1}", "${10}", "$10",
        "$#", "$?", "$0", "${@}", "${*}", "$%", "$-", "${#}", "${3}",
    ])
}

fn inside_double() -> impl Strategy<Value = String> {
    let fixed =
        |texts: &'static [&'static str]| proptest::sample::select(texts).prop_map(String::from);
    prop_oneof![
        3 => fixed(&["a", " ", "*", "'", "~", "#", "\\n", "\\$", "\\\"", "\\\\", "\\a", "{", "}", "[a-z]", "b ", "\\\n"]),
        4 => parameter(),
    ]
}

fn word() -> impl Strategy<Value = String> {
    let piece = prop_oneof![
        5 => unquoted(),
        2 => proptest::collection::vec(inside_double(), 0..4).prop_map(|inner| format!("\"{}\"", inner.concat())),
        1 => value().prop_map(|text| format!("'{text}'")),
    ];
    let end = prop_oneof![12 => Just(""), 1 => Just("$")];
    (proptest::collection::vec(piece, 1..5), end).prop_map(|(pieces, end)| pieces.concat() + end)
}

fn line() -> impl Strategy<Value = Drawn> {
    let ifs = prop_oneof![
        5 => Just(String::new()), 1 => Just("IFS=; ".into()), 2 => Just("IFS=:; ".into()), 2 => Just("IFS=' :'; ".into()),
        1 => Just("IFS=x; ".into()), 1 => Just("unset IFS; ".into()), 1 => Just("IFS='\\'; ".into()), 1 => Just("IFS=' y'; ".into()),
        1 => Just("IFS=': '; ".into()), 1 => Just("IFS='*b'; ".into()), 1 => Just("IFS='\n'; ".into()),
    ];
    let command = (
        proptest::collection::vec(prop_oneof![Just("x="), Just("y="), Just("z=")], 0..2),
        proptest::sample::select(&["label", "jar", "hive"][..]),
        proptest::collection::vec(word(), 0..4),
        word(),
    )
        .prop_map(|(names, program, words, value)| {
            let before: String = names.iter().map(|name| format!("{name}{value} ")).collect();
            format!("{before}{program} {}", words.join(" "))
        });
    let assigned = (proptest::sample::select(&["x", "y"][..]), word())
        .prop_map(|(name, word)| format!("{name}={word}"));
    let commands = proptest::collection::vec(
        prop_oneof![5 => command, 1 => assigned, 1 => Just("true".to_string()), 1 => Just("false".to_string())],
        1..4,
    );
    let joined =
        (commands, proptest::sample::select(&["; ", " && ", " || ", "\n", " # jar\n"][..]))
            .prop_map(|(commands, joiner)| commands.join(joiner));
    (ifs, value(), value(), joined, proptest::collection::vec(value(), 0..4)).prop_map(
        |(ifs, x, y, line, arguments)| Drawn {
            line: format!("x='{x}'; y='{y}'; {ifs}{line}"),
            arguments,
        },
    )
}

fn cases() -> u32 {
    std::env::var("FIZZET_LIVE_CASES").ok().and_then(|count| count.parse().ok()).unwrap_or(1000)
}

fn compare(shell: Shell) {
    assert!(real(shell).is_some(), "{shell} is not installed; .ci/run installs it");
    let place = Place::new();
    let config = Config {
        cases: cases(),
        failure_persistence: None,
        max_shrink_iters: 4000,
        ..Config::default()
    };
    let outcome = TestRunner::new(config).run(&line(), |drawn| {
        let arguments: Vec<&[u8]> =
            drawn.arguments.iter().map(|argument| argument.as_bytes()).collect();
        let truth = place.truth(shell, drawn.line.as_bytes(), &arguments);
        let prediction = place.prediction(shell, drawn.line.as_bytes(), &arguments);
        if truth == prediction {
            return Ok(());
        }
        Err(TestCaseError::fail(format!(
            "\n   real: {}\n fizzet: {}",
            shown(&truth),
            shown(&prediction)
        )))
    });
    if let Err(error) = outcome {
        panic!("{shell}: {error}");
    }
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn bash_agrees() {
    compare(Shell::Bash);
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn dash_agrees() {
    compare(Shell::Dash);
}
