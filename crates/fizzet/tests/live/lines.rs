//! Random words and lines of what every shell has.

use proptest::prelude::*;

use crate::Drawn;

/// A value of a variable or an argument.
pub(crate) fn value() -> impl Strategy<Value = String> {
    let piece = prop_oneof![
        4 => Just("a"), 3 => Just("b"), 4 => Just(" "), 2 => Just(":"), 1 => Just("\t"), 1 => Just("x"),
        1 => Just("*"), 1 => Just("?"), 1 => Just("\\"), 1 => Just("-"), 1 => Just("ä"), 1 => Just("[a-z]"),
        1 => Just("\n"), 1 => Just("~"), 1 => Just("lid"), 1 => Just("lid/"), 1 => Just("combs"),
        1 => Just("="), 1 => Just("("), 1 => Just(";"), 1 => Just("\""), 1 => Just("$x"), 1 => Just("/"), 1 => Just("7"),
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

/// A plain parameter.
pub(crate) fn parameter() -> impl Strategy<Value = String> {
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

/// A line of a few commands.
pub(crate) fn line() -> impl Strategy<Value = Drawn> {
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
