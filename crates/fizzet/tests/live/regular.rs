//! Random regular expressions, as `[[ x =~ r ]]` matches them. What the groups hold is compared where every
//! repeated group takes a character at least: where one matches nothing, the C library has its own mind.

use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use crate::Drawn;

type Texts = BoxedStrategy<String>;

fn any_of(texts: &'static [&'static str]) -> Texts {
    proptest::sample::select(texts).prop_map(String::from).boxed()
}

/// One character, or a place.
fn single() -> Texts {
    let plain = any_of(&["a", "b", "c", "-", ".", "x", "ä", "\\.", "\\(", "}", "]", "a", "b"]);
    let set = any_of(&[
        "[ab]",
        "[^a]",
        "[a-c]",
        "[[:alpha:]]",
        "[]a]",
        "[^]]",
        "[a-]",
        "[[:digit:]x]",
        "[[.a.]-c]",
        "[[=b=]]",
        "[ä-ö]",
        "[[:upper:]]",
        "[\\w]",
    ]);
    let class = any_of(&["\\w", "\\W", "\\s", "\\S"]);
    let count = any_of(&["", "", "", "*", "+", "?", "{2}", "{1,2}", "{0,1}", "{2,}", "**"]);
    (prop_oneof![4 => plain, 2 => set, 1 => class], count)
        .prop_map(|(one, count)| one + &count)
        .boxed()
}

fn place() -> Texts {
    any_of(&["^", "$", "\\b", "\\B", "\\<", "\\>"])
}

/// What takes at least one character, so that it can be repeated.
fn filled() -> Texts {
    let ends = any_of(&["a", "b", "c", "[ab]", "."]);
    (proptest::collection::vec(single(), 0..2), ends)
        .prop_map(|(front, end)| front.concat() + &end)
        .boxed()
}

fn group() -> Texts {
    let repeated = (proptest::collection::vec(filled(), 1..3), any_of(&["*", "+", "?", "{2}"]))
        .prop_map(|(ways, count)| format!("({}){count}", ways.join("|")));
    let once = proptest::collection::vec(proptest::collection::vec(single(), 1..3), 1..4).prop_map(
        |ways| format!("({})", ways.iter().map(|way| way.concat()).collect::<Vec<_>>().join("|")),
    );
    prop_oneof![repeated, once].boxed()
}

/// What is no expression everywhere.
fn broken() -> Texts {
    any_of(&["(", "[a", "*a", "a|*", "(+", "a\\", "[[:x:]]", "\\1"])
}

fn expression() -> Texts {
    let piece = prop_oneof![6 => single(), 1 => place(), 4 => group()];
    let row = proptest::collection::vec(piece, 1..4).prop_map(|row| row.concat());
    let whole = proptest::collection::vec(row, 1..3).prop_map(|ways| ways.join("|"));
    prop_oneof![20 => whole, 1 => broken()].boxed()
}

/// A line that matches a text and tells what has matched.
pub(crate) fn line(shell: Shell) -> impl Strategy<Value = Drawn> {
    let found = match shell {
        Shell::Bash => " \"${BASH_REMATCH[@]}\"",
        Shell::Zsh => " \"$MATCH\" \"$match[@]\" $mbegin $mend",
        _ => "",
    };
    let text = proptest::collection::vec(
        proptest::sample::select(&['a', 'a', 'a', 'b', 'b', 'c', 'x', 'ä', '-', ' ', '.'][..]),
        0..9,
    );
    (expression(), text).prop_map(move |(expression, text)| {
        let text: String = text.into_iter().collect();
        let line = format!("r='{expression}'; [[ '{text}' =~ $r ]]; label $?{found}");
        Drawn { line, arguments: Vec::new() }
    })
}
