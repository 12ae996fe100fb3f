//! Random small programs: loops, functions, `set`, `shift`, `case`, `eval`.

use proptest::prelude::*;

use crate::Drawn;
use crate::lines::{parameter, value};

/// A small program: the rest of the language, in pieces that end.
pub(crate) fn program() -> impl Strategy<Value = Drawn> {
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

/// One of these texts.
pub(crate) fn pick(texts: &'static [&'static str]) -> BoxedStrategy<String> {
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
