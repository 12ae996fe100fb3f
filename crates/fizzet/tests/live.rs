//! Live truth: random lines in real shells. Ignored by default; `.ci/run` switches it on.
//!
//! FIZZET_LIVE_CASES sets how many lines are drawn for each shell (of programs a third of that), and
//! FIZZET_LIVE_SEED which ones: a run with the same seed draws the same, so that a red run says
//! something about the change and not about luck. Other seeds are for hunting.

use std::path::Path;

use fizzet_core::dialect::Shell;
use fizzet_truth::{Place, find, with_end};
use proptest::prelude::*;
use proptest::test_runner::{Config, RngAlgorithm, TestCaseError, TestRng, TestRunner};

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
        1 => Just("\n"), 1 => Just("~"), 1 => Just("lid"), 1 => Just("lid/"), 1 => Just("combs"),
    ];
    proptest::collection::vec(piece, 0..6).prop_map(|pieces| pieces.concat())
}

/// A piece of a word outside quotes.
fn unquoted() -> impl Strategy<Value = String> {
    let fixed =
        |texts: &'static [&'static str]| proptest::sample::select(texts).prop_map(String::from);
    prop_oneof![
        6 => fixed(&["a", "b", "lid", "x", "1", ":", "-", "=", ",", "ä", "a#b", "."]),
        3 => fixed(&["*", "?", "[a-z]", "[!a]", "[[:alpha:]]", "b*", "*.txt", "[", "]", "lid/", "*/", "./", "{", "}", "^", "!"]),
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
    (proptest::collection::vec(piece, 1..5), end)
        .prop_map(|(pieces, end)| pieces.concat() + end)
        .prop_filter("docs/DIFFERENCES.md: a second tilde behind =", |word| {
            word.matches("=~").count() < 2
        })
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

/// A small program: the rest of the language, in pieces that end.
fn program() -> impl Strategy<Value = Drawn> {
    let statement = prop_oneof![
        4 => proptest::collection::vec(rich_word(), 0..3).prop_map(|words| format!("label {}", words.join(" "))),
        2 => (name(), rich_word()).prop_map(|(name, word)| format!("{name}={word}")),
        1 => proptest::collection::vec(rich_word(), 0..3).prop_map(|words| format!("set -- {}", words.join(" "))),
        1 => pick(&["shift", "shift 0", "set -f", "set +f", "unset x", "unset y z", "i=2", "eval 'label $x'", "eval \"label $x\"", "x=1 eval 'label $x'", "set --"]),
    ].boxed();
    let compound = statement.clone().prop_recursive(3, 12, 3, move |inner| {
        let body = proptest::collection::vec(inner, 1..3).prop_map(|all| all.join("; ")).boxed();
        prop_oneof![
            (name(), proptest::collection::vec(rich_word(), 0..3), body.clone()).prop_map(
                |(name, words, body)| format!("for {name} in {}; do {body}; done", words.join(" "))
            ),
            body.clone().prop_map(|body| format!("for x; do {body}; done")),
            (test(), body.clone(), body.clone())
                .prop_map(|(test, yes, no)| format!("if {test}; then {yes}; else {no}; fi")),
            (pattern(), pattern(), body.clone(), body.clone()).prop_map(
                |(word, pattern, yes, no)| format!(
                    "case {word} in {pattern}) {yes};; b|[a-l]*) {no};; *) label other;; esac"
                )
            ),
            body.clone().prop_map(|body| format!("({body})")),
            body.clone().prop_map(|body| format!("{{ {body}; }}")),
            (body.clone(), proptest::collection::vec(rich_word(), 0..3))
                .prop_map(|(body, words)| format!("f() {{ {body}; }}; f {}", words.join(" "))),
            (test(), body.clone()).prop_map(|(test, body)| format!("{test} && {{ {body}; }}")),
            body.prop_map(|body| format!("n=0; while [ $n -lt 2 ]; do n=$((n+1)); {body}; done")),
        ]
    });
    (
        value(),
        value(),
        proptest::collection::vec(compound, 1..4),
        proptest::collection::vec(value(), 0..3),
    )
        .prop_map(|(x, y, lines, arguments)| Drawn {
            line: format!("x='{x}'; y='{y}'; {}", lines.join("\n")),
            arguments,
        })
}

fn pick(texts: &'static [&'static str]) -> BoxedStrategy<String> {
    proptest::sample::select(texts).prop_map(String::from).boxed()
}

fn name() -> BoxedStrategy<String> {
    pick(&["x", "y", "z", "i"])
}

fn test() -> BoxedStrategy<String> {
    pick(&[
        "true",
        "false",
        "[ \"$x\" = a ]",
        "[ -n \"$1\" ]",
        "[ $# -gt 1 ]",
        "! true",
        "test -z \"$y\"",
        "[ \"$x\" ] && [ \"$y\" ]",
        "false || true",
    ])
}

/// A pattern of a `case`.
fn pattern() -> BoxedStrategy<String> {
    rich_word()
        .prop_filter("docs/DIFFERENCES.md: $@ in a pattern", |word| !word.contains('@'))
        .prop_filter("docs/DIFFERENCES.md: emptied quotes", |word| !word.contains("\"${"))
        .boxed()
}

/// Words with all expansions that every shell here has.
fn rich_word() -> BoxedStrategy<String> {
    let operand = pick(&[
        "a", "'b c'", "\"$y\"", "$1", "a b", "*", "", "\\*", "${y}x", "\"a b\"", "[a-c]", "?",
        "a*", "*b", "'*'",
    ]);
    let operator = pick(&["-", ":-", "+", ":+", "=", ":=", "#", "##", "%", "%%"]);
    let operated = (pick(&["x", "y", "z", "i"]), operator, operand)
        .prop_filter("docs/DIFFERENCES.md: quotes behind =", |(_, operator, word)| {
            !(operator.ends_with('=') && word.contains(['"', '\'']))
        })
        .prop_map(|(name, operator, word)| format!("${{{name}{operator}{word}}}"));
    let arithmetic = pick(&[
        "$((1+2*3))",
        "$((n+1))",
        "$((-7/2))",
        "$((-7%3))",
        "$((1<<3|1))",
        "$((n=4))",
        "$((n==2?5:6))",
        "$((!n))",
        "$((0x1f))",
        "$((~5&7))",
        "$((n+=2))",
        "$(($#*2))",
    ]);
    let substitution = (
        pick(&["echo", "printf '%s\\n'", "printf '%s '"]),
        pick(&["a", "'b  c'", "\"$x\"", "$y", "\"$@\"", "'a\nb\n\n'", "*"]),
    )
        .prop_map(|(command, word)| format!("$({command} {word})"));
    let unquoted = prop_oneof![3 => operated, 1 => arithmetic, 2 => substitution, 2 => parameter(), 1 => pick(&["${#x}", "${#y}", "${#}", "$#", "a", "lid", "*", "'b c'", "\\ "])].boxed();
    let quoted = unquoted.clone().prop_map(|text| format!("\"{text}\""));
    let piece = prop_oneof![3 => unquoted, 2 => quoted];
    proptest::collection::vec(piece, 1..3).prop_map(|pieces| pieces.concat()).boxed()
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

fn compare(shell: Shell, drawn: impl Strategy<Value = Drawn>, cases: u32) {
    assert!(find(shell).is_some(), "{shell} is not installed; .ci/run installs it");
    let place = Place::new(Path::new(env!("CARGO_BIN_EXE_fizzet"))).unwrap();
    let config =
        Config { cases, failure_persistence: None, max_shrink_iters: 4000, ..Config::default() };
    let outcome = TestRunner::new_with_rng(config, seeded()).run(&drawn, |drawn| {
        let line = with_end(&drawn.line);
        let arguments: Vec<&[u8]> =
            drawn.arguments.iter().map(|argument| argument.as_bytes()).collect();
        let truth = place.truth(shell, line.as_bytes(), &arguments).unwrap();
        let prediction = place.prediction(shell, line.as_bytes(), &arguments);
        if truth == prediction {
            return Ok(());
        }
        Err(TestCaseError::fail(format!("\n   real: {truth}\n fizzet: {prediction}")))
    });
    if let Err(error) = outcome {
        panic!("{shell}: {error}");
    }
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn bash_agrees_on_lines() {
    compare(Shell::Bash, line(), cases());
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn bash_agrees_on_programs() {
    compare(Shell::Bash, program(), cases() / 3);
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn dash_agrees_on_lines() {
    compare(Shell::Dash, line(), cases());
}

#[test]
#[ignore = "needs the real shell; .ci/run switches it on"]
fn dash_agrees_on_programs() {
    compare(Shell::Dash, program(), cases() / 3);
}
