//! Random words nested in words: quotes in operations in quotes, commands and arithmetic in patterns, changes of
//! variables on the way, and commands around all that.

use fizzet_core::dialect::{Dialect, Shell};
use proptest::prelude::*;
use proptest::strategy::Union;

use crate::Drawn;
use crate::programs::pick;

type Texts = BoxedStrategy<String>;

/// What a shell has of which the words are made.
#[derive(Clone, Copy)]
struct Having {
    arrays: bool,
    replacement: bool,
    substrings: bool,
    steps: bool,
    first_index: bool,
}

impl Having {
    fn of(shell: Shell) -> Having {
        let dialect = Dialect::of(shell);
        Having {
            arrays: dialect.arrays,
            replacement: dialect.replacement,
            substrings: dialect.substrings && shell != Shell::Zsh,
            steps: dialect.arithmetic_steps,
            first_index: shell == Shell::Zsh,
        }
    }
}

/// Pieces of texts, joined.
fn joined(piece: Texts, count: std::ops::Range<usize>) -> Texts {
    proptest::collection::vec(piece, count).prop_map(|pieces| pieces.concat()).boxed()
}

fn name(has: Having) -> Texts {
    let plain = pick(&["x", "y", "z", "u", "e", "1", "2"]);
    let lists = pick(&["@", "*"]);
    if !has.arrays {
        return prop_oneof![4 => plain, 1 => lists].boxed();
    }
    let elements = match has.first_index {
        true => pick(&["a[1]", "a[2]", "a[3]", "a[9]", "a[@]", "a[*]"]),
        false => pick(&["a[0]", "a[1]", "a[2]", "a[9]", "a[n]", "a[n+1]", "a[@]", "a[*]"]),
    };
    prop_oneof![4 => plain, 1 => lists, 1 => elements].boxed()
}

fn literal(quoted: bool) -> Texts {
    match quoted {
        true => pick(&[
            "a", "b", " ", "  ", "*", "~", "#", "%", "\\\\", "\\$", "\\\"", "\\a", "[", "]", ":",
            "-", "=",
        ]),
        false => pick(&[
            "a", "b", "lid", "-", "=", ":", ".", ",", "1", "*", "?", "[ab]", "[!a]", "~", "#", "%",
            "\\ ", "\\*", "\\\\", "\\\"", "\\a", "l*", "*.csv", "+",
        ]),
    }
}

fn arithmetic(has: Having) -> Texts {
    let value = || pick(&["1", "2", "7", "n", "m", "(n+1)", "-3", "10", "$n", "u", "07"]);
    let sign = pick(&["+", "-", "*", "<", "<=", "==", "&", "|", "&&", "||"]);
    let two =
        (value(), sign, value()).prop_map(|(one, sign, two)| format!("$(({one} {sign} {two}))"));
    let changes =
        pick(&["$((n=3))", "$((n+=2))", "$((m-=1))", "$((n=m=4))", "$((n?2:3))", "$((!n))"]);
    match has.steps {
        true => prop_oneof![3 => two, 1 => changes, 1 => pick(&["$((n++))", "$((--m))"])].boxed(),
        false => prop_oneof![3 => two, 1 => changes].boxed(),
    }
}

fn pattern(piece: Texts, quoted: Texts) -> Texts {
    let plain = pick(&[
        "a",
        "b",
        "?",
        "*",
        "[ab]",
        "[!a]",
        "[a-c]",
        "[[:space:]]",
        "\\*",
        "\\a",
        " ",
        ":",
        "=",
        "[]a]",
        "-",
    ]);
    joined(prop_oneof![5 => plain, 2 => piece, 1 => quoted].boxed(), 0..3)
}

/// `${...}` with an operation whose word holds what `piece` and `quoted` make.
fn operation(has: Having, piece: Texts, quoted: Texts) -> Texts {
    let word = joined(
        prop_oneof![3 => pick(&["a", "b", "*", " ", ":", "-"]), 2 => piece.clone(), 1 => quoted.clone()].boxed(),
        0..3,
    );
    let pattern = pattern(piece, quoted);
    let instead = (name(has), pick(&[":-", "-", ":+", "+"]), word.clone())
        .prop_map(|(name, sign, word)| format!("${{{name}{sign}{word}}}"));
    let assign = (pick(&["x", "y", "u", "e", "z"]), pick(&[":=", "="]), word.clone())
        .prop_map(|(name, sign, word)| format!("${{{name}{sign}{word}}}"));
    let remove = (name(has), pick(&["#", "##", "%", "%%"]), pattern.clone())
        .prop_map(|(name, sign, pattern)| format!("${{{name}{sign}{pattern}}}"));
    let mut kinds = vec![(4, instead.boxed()), (1, assign.boxed()), (4, remove.boxed())];
    if has.replacement {
        let replace = (name(has), pick(&["/", "//"]), pattern, word)
            .prop_map(|(name, sign, pattern, word)| format!("${{{name}{sign}{pattern}/{word}}}"));
        kinds.push((2, replace.boxed()));
    }
    if has.substrings {
        let slice = (name(has), pick(&["0", "1", "2", "n", "0:2", "1:n"]))
            .prop_map(|(name, slice)| format!("${{{name}:{slice}}}"));
        kinds.push((1, slice.boxed()));
    }
    Union::new_weighted(kinds).boxed()
}

/// A piece of a word: of one between double quotes, and of one outside of them.
fn pieces(has: Having, depth: u32) -> (Texts, Texts) {
    let plain = pick(&["$x", "$y", "$z", "$1", "$2", "$@", "$*", "$#", "$e", "${u-}"]);
    if depth == 0 {
        let quoted = prop_oneof![literal(true), plain.clone()].boxed();
        return (quoted, prop_oneof![literal(false), plain].boxed());
    }
    let (inner_quoted, inner_bare) = pieces(has, depth - 1);
    let quotes = joined(inner_quoted.clone(), 0..3).prop_map(|text| format!("\"{text}\"")).boxed();
    let command = (
        pick(&["echo ", "printf '%s\\n' ", "f ", "echo a; echo "]),
        joined(inner_bare.clone(), 1..3),
    )
        .prop_map(|(command, word)| format!("$({command}{word})"))
        .boxed();
    let quoted = prop_oneof![
        4 => literal(true),
        3 => plain.clone(),
        5 => operation(has, inner_quoted, quotes.clone()),
        1 => command.clone(),
        1 => arithmetic(has),
    ];
    let bare = prop_oneof![
        4 => literal(false),
        3 => plain,
        5 => operation(has, inner_bare, quotes.clone()),
        2 => quotes,
        1 => pick(&["'a  b'", "'*'", "''", "'$x'"]),
        1 => command,
        1 => arithmetic(has),
    ];
    (quoted.boxed(), bare.boxed())
}

/// A line for this shell.
pub(crate) fn line(shell: Shell) -> impl Strategy<Value = Drawn> {
    let has = Having::of(shell);
    let (quoted, bare) = pieces(has, 2);
    let word = joined(bare.clone(), 1..4);
    let words = (word.clone(), word.clone()).prop_map(|(one, two)| format!("{one} {two}"));
    let quoted = joined(quoted, 0..4);
    let redirected = (pick(&["label", "true", "f", ":"]), arithmetic(has), word.clone()).prop_map(
        |(command, number, word)| format!("x={number} {command} {word} >f$((n)); label f? \"$n\""),
    );
    let statement = prop_oneof![
        6 => words.clone().prop_map(|words| format!("label {words}")),
        2 => (pick(&["x", "y", "z", "e"]), word.clone()).prop_map(|(name, word)| format!("{name}={word}")),
        1 => (word.clone(), word.clone()).prop_map(|(one, two)| format!("x={one} label \"$x\" {two}")),
        1 => words.clone().prop_map(|words| format!("set -- {words}")),
        1 => words.prop_map(|words| format!("for i in {words}; do label \"$i\"; done")),
        1 => (word.clone(), bare).prop_map(|(word, pattern)| {
            format!("case {word} in {}) label one;; *) label none;; esac", pattern.replace(' ', "\\ "))
        }),
        1 => quoted
            .prop_map(|text| format!("read -r x y <<E\n{}\nE\nlabel \"$x\" \"$y\"", text.replace("\\\"", "\""))),
        1 => redirected,
        1 => pick(&["IFS=:", "IFS=' :'", "IFS=", "IFS=a", "IFS='a '", "IFS=-"]),
    ];
    let value = || {
        pick(&[
            "", "a", "a b", " a  b ", "a:b", "*", "l*", "x y z", "\\", "~", "ab", "aab", "7", "-",
            "::a", "[a]",
        ])
    };
    let arguments = proptest::collection::vec(value(), 0..3);
    (value(), value(), proptest::collection::vec(statement, 1..3), arguments).prop_map(
        move |(x, y, statements, arguments)| {
            let array = if has.arrays && shell != Shell::Mksh { "a=(b 'c d' ''); " } else { "" };
            let line = format!(
                "n=1 m=5 e=; unset u; f() {{ echo \"$1 f\"; }}; {array}x='{x}' y='{y}'; {}\nlabel \"$x\" \"$y\" \"$z\" $# \"$n\"",
                statements.join("; ")
            );
            Drawn { line, arguments }
        },
    )
}
