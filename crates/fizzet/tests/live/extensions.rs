//! Random lines of what goes beyond POSIX, as far as a shell has it: braces, arrays, slices,
//! replacements, `$'...'`, arithmetic, patterns, `[[ ]]`, here-documents.

use fizzet_core::dialect::{Braces, Dialect, Indirection, Shell};
use proptest::prelude::*;

use crate::Drawn;
use crate::lines::{parameter, value};

type Texts = BoxedStrategy<String>;

fn any_of(texts: Vec<&'static str>) -> Texts {
    proptest::sample::select(texts).prop_map(String::from).boxed()
}

/// Words of what a shell has, each kind as likely as the others.
fn word(dialect: &Dialect) -> Texts {
    let mut kinds: Vec<Texts> = vec![
        parameter().boxed(),
        arithmetic(dialect),
        removal(),
        tilde(),
        glob(),
        quotes(dialect),
        substitution(),
    ];
    if dialect.braces != Braces::None {
        kinds.push(braces(dialect));
    }
    if dialect.substrings {
        kinds.push(slice());
    }
    if dialect.replacement {
        kinds.push(replacement());
    }
    if dialect.arrays {
        kinds.push(array(dialect));
    }
    if dialect.case_change {
        kinds.push(any_of(vec![
            "${x^}",
            "${x^^}",
            "${x,}",
            "${x,,}",
            "${x^^[ab]}",
            "\"${x^^}\"",
            "${x~~}",
        ]));
    }
    if dialect.indirection == Indirection::Value {
        kinds.push(any_of(vec!["${!r}", "\"${!r}\"", "${!r:-q}", "${!r%b}"]));
    }
    if dialect.unbraced_operations {
        kinds.push(flags());
    }
    let piece = proptest::strategy::Union::new(kinds);
    let pieces = proptest::collection::vec(piece, 1..3);
    pieces.prop_map(|pieces| pieces.concat()).boxed()
}

fn arithmetic(dialect: &Dialect) -> Texts {
    let operand = any_of(vec!["1", "2", "7", "n", "m", "(n+1)", "-3", "0x1f", "z", "10"]);
    let mut operators =
        vec!["+", "-", "*", "/", "%", "<<", ">>", "<", "<=", "==", "!=", "&", "|", "^", "&&", "||"];
    if dialect.arithmetic_power {
        operators.push("**");
    }
    if dialect.arithmetic_comma {
        operators.push(",");
    }
    let mut changes = vec!["n=3", "n+=2", "m-=1", "!n", "~n", "-n", "n?4:5", "n>1?m:z", "$#+1"];
    if dialect.arithmetic_steps {
        changes.extend(["n++", "--m", "n++ + ++n", "m-- - 1"]);
    }
    let operator = any_of(operators);
    let binary = (operand.clone(), operator.clone(), operand.clone(), operator, operand.clone())
        .prop_filter(
            "division by zero and huge shifts end the shell",
            |(_, one, right, two, last)| {
                let risky = |sign: &str| matches!(sign, "/" | "%" | "<<" | ">>" | "**");
                let plain = |text: &str| matches!(text, "1" | "2" | "7" | "10");
                (!risky(one) || plain(right)) && (!risky(two) || plain(last))
            },
        )
        .prop_map(|(a, one, b, two, c)| format!("$(({a} {one} {b} {two} {c}))"));
    let change = any_of(changes).prop_map(|text| format!("$(({text}))"));
    prop_oneof![2 => binary, 1 => change].boxed()
}

fn removal() -> Texts {
    let name = any_of(vec!["x", "y", "1"]);
    let operator = any_of(vec!["#", "##", "%", "%%"]);
    let pattern = any_of(vec![
        "a",
        "?",
        "*",
        "[ab]",
        "[!a]",
        "a*",
        "*b",
        "'*'",
        "\"$y\"",
        "$y",
        "\\*",
        "[[:alpha:]]",
        "*[[:space:]]",
        "a?",
        "",
        "=*",
        "*=",
        "*[/:]",
        "/*",
        "-*",
        "[0-9]",
        "*[!0-9]",
        "~",
        "#*",
        "(a)",
        "a|b",
    ]);
    let quoted = any_of(vec!["", "\""]);
    (name, operator, pattern, quoted)
        .prop_filter("quotes inside quotes have a suite of their own", |(_, _, pattern, quote)| {
            quote.is_empty() || !pattern.contains(['"', '\''])
        })
        .prop_map(|(name, operator, pattern, quote)| {
            format!("{quote}${{{name}{operator}{pattern}}}{quote}")
        })
        .boxed()
}

fn tilde() -> Texts {
    any_of(vec!["~", "~/a", "'~'", "\\~", "a~", "~root", "~/\"a b\""])
}

fn glob() -> Texts {
    any_of(vec![
        "l*",
        "*.csv",
        "[Ll]id",
        "?id",
        "batch[0-9].csv",
        "batch[!1]*",
        "combs/*",
        "*/",
        "[[]q]",
        "'*'",
        "l\\*",
        "acacia*",
        "a\"*\"b",
        ".h*",
        "-*",
    ])
}

fn quotes(dialect: &Dialect) -> Texts {
    let mut texts = vec![
        "'a  b'",
        "\"a  b\"",
        "a\\ b",
        "''",
        "\"\"",
        "\"a'b\"",
        "'a\"b'",
        "\"\\$x\"",
        "\"\\a\"",
        "\"$x\"",
        "\"$x$y\"",
        "\"a$x\"",
        "\"${x}b\"",
    ];
    if dialect.dollar_single_quotes {
        texts.extend(["$'a\\tb'", "$'\\x41'", "$'a\\n'", "$'\\101'", "$'it\\'s'", "$'\\\\'"]);
    }
    any_of(texts)
}

fn substitution() -> Texts {
    any_of(vec![
        "$(echo a b)",
        "\"$(echo 'a  b')\"",
        "`echo a`",
        "$(echo \"$x\")",
        "\"$(echo $x)\"",
        "$(echo)",
        "$(echo '*.csv')",
        "$(f q)",
        "$(echo a; echo b)",
        "\"`echo \\\"q\\\"`\"",
    ])
}

fn braces(dialect: &Dialect) -> Texts {
    let mut texts = vec![
        "{a,b}",
        "x{a,b}y",
        "{a,}",
        "{,a}",
        "{a,b}{c,d}",
        "{a,{b,c}}",
        "{a",
        "a}",
        "{a}",
        "{}",
        "{'a,b',c}",
        "{\"a b\",c}",
        "\\{a,b}",
        "{a,b",
        "{$x,q}",
        "{a,b}$1",
        "\"{a,b}\"",
        "{l,L}id",
    ];
    if dialect.unbraced_operations {
        texts.retain(|text| !matches!(*text, "a}" | "{a" | "{a,b" | "\\{a,b}"));
    }
    if format!("{:?}", dialect.brace_ranges) != "None" {
        texts.extend([
            "{1..3}",
            "{3..1}",
            "x{1..2}",
            "{a..c}",
            "{1..5..2}",
            "{1..3}{a,b}",
            "{1..x}",
        ]);
    }
    any_of(texts)
}

fn slice() -> Texts {
    any_of(vec![
        "${x:1}",
        "${x:0:2}",
        "\"${x:1:1}\"",
        "${x: -1}",
        "${x:9}",
        "\"${x:9}\"",
        "${x:n}",
        "${x:n:1}",
        "${y:1}",
        "${x: -2:1}",
        "${x:0}",
    ])
    .prop_filter("zsh takes a letter there for a modifier", |text| !text.contains(":n"))
    .boxed()
}

fn replacement() -> Texts {
    let kind = any_of(vec!["/", "//"]);
    let pattern = any_of(vec![
        "a", "b", "?", "[ab]", "a*", "$y", "\"$y\"", " ", "x", "=", "=*", "-", "[/:]", "\\/", "(",
        ";",
    ]);
    let text = any_of(vec!["", "-", "q r", "'q r'", "$y", "\"$1\"", "=", "\\/", "*", "~"]);
    (any_of(vec!["x", "1"]), kind, pattern, text)
        .prop_filter("an empty value of $y would be an empty pattern", |(_, _, pattern, _)| {
            !pattern.contains("$y")
        })
        .prop_map(|(name, kind, pattern, text)| format!("${{{name}{kind}{pattern}/{text}}}"))
        .boxed()
}

fn array(dialect: &Dialect) -> Texts {
    let mut texts = vec![
        "${a[1]}",
        "${a[2]}",
        "\"${a[@]}\"",
        "${a[@]}",
        "\"${a[*]}\"",
        "${a[*]}",
        "${#a[@]}",
        "\"${a[@]}x\"",
        "\"x${a[@]}\"",
        "${a[n]}",
        "${#a[1]}",
        "\"${a[9]}\"",
        "${a[9]-q}",
        "x${a[@]}y",
    ];
    if dialect.indirection != Indirection::None {
        texts.push("${!a[@]}");
    }
    if format!("{:?}", dialect.list_operations) == "Each" {
        texts.extend(["\"${a[@]:1}\"", "\"${a[@]%b}\"", "${a[@]#?}", "\"${@:2}\"", "${@:1:1}"]);
    }
    any_of(texts)
}

fn flags() -> Texts {
    any_of(vec![
        "$a[1]",
        "$a[2]",
        "\"$a[1]\"",
        "$#a",
        "$#x",
        "${(U)x}",
        "${(j:-:)a}",
        "${(s:b:)x}",
        "${=x}",
        "${x[1]}",
        "${x[2,3]}",
        "${x[-1]}",
        "${a[1,2]}",
        "\"${(@)a}\"",
        "${(o)a}",
        "${(u)a}",
        "${+x}",
        "${+q}",
        "${x:t}",
        "${:-q r}",
        "${(f)x}",
        "${(L)x}",
        "${~x}",
        "${a:#b}",
    ])
}

/// A command that tests something and tells what came of it.
fn test(dialect: &Dialect) -> Texts {
    let subject = any_of(vec!["\"$x\"", "\"$1\"", "a", "''", "lid"]);
    let pattern = any_of(vec!["a*", "'a*'", "*", "?", "[a-c]*", "\"$y\"", "l?d", "$y", "*b"]);
    let case = (subject.clone(), pattern.clone()).prop_map(|(subject, pattern)| {
        format!("case {subject} in {pattern}) label yes;; *) label no;; esac")
    });
    let plain = (subject.clone(), any_of(vec!["=", "!="]), subject.clone())
        .prop_map(|(one, operator, other)| format!("[ {one} {operator} {other} ]; label $?"));
    let word = any_of(vec![
        "'('", "')'", "!", "-a", "-o", "-n", "-z", "=", "!=", "-eq", "-f", "-e", "-nt", "1", "''",
        "lid", "-",
    ]);
    let words = proptest::collection::vec(word, 1..8)
        .prop_map(|words| format!("[ {} ]; label $?", words.join(" ")));
    let mut kinds: Vec<Texts> = vec![case.boxed(), plain.boxed(), words.boxed()];
    if dialect.double_brackets {
        let operator = any_of(vec!["==", "!=", "="]);
        let double = (subject.clone(), operator, pattern)
            .prop_map(|(one, operator, other)| format!("[[ {one} {operator} {other} ]]; label $?"));
        kinds.push(double.boxed());
        kinds.push(
            (any_of(vec!["-n", "-z", "-f", "-d", "-e"]), subject)
                .prop_map(|(operator, one)| format!("[[ {operator} {one} ]] && label yes"))
                .boxed(),
        );
    }
    proptest::strategy::Union::new(kinds).boxed()
}

/// A line for this shell.
pub(crate) fn line(shell: Shell) -> impl Strategy<Value = Drawn> {
    let dialect = Dialect::of(shell);
    let arrays = dialect.arrays;
    let name = any_of(vec!["x", "y", "z"]);
    let words = proptest::collection::vec(word(&dialect), 1..4).prop_map(|words| words.join(" "));
    let assigned = (name, word(&dialect)).prop_map(|(name, word)| format!("{name}={word}"));
    let document = word(&dialect)
        .prop_filter("a newline would end the delimiter", |word| !word.contains('\n'))
        .prop_map(|word| format!("read -r z <<E\n{word}\nE\nlabel \"$z\""));
    let mut kinds: Vec<(u32, Texts)> = vec![
        (6, words.clone().prop_map(|words| format!("label {words}")).boxed()),
        (1, words.clone().prop_map(|words| format!("set -- {words}")).boxed()),
        (
            1,
            words
                .clone()
                .prop_map(|words| format!("for i in {words}; do label \"$i\"; done"))
                .boxed(),
        ),
        (2, assigned.boxed()),
        (1, document.boxed()),
        (2, test(&dialect)),
    ];
    if arrays {
        kinds.push((1, words.prop_map(|words| format!("a=({words})")).boxed()));
    }
    let statement = proptest::strategy::Union::new_weighted(kinds);
    let statements = proptest::collection::vec(statement, 1..4);
    let ifs = any_of(vec!["", "", "", "IFS=:; ", "IFS=' :'; ", "IFS=; ", "IFS=b; "]);
    (value(), value(), ifs, statements, proptest::collection::vec(value(), 0..3)).prop_map(
        move |(x, y, ifs, statements, arguments)| {
            let array = if arrays { "a=(b 'c d' ''); " } else { "" };
            let start = format!("n=2; m=5; r=x; {array}f() {{ echo \"$1 f\"; }}; ");
            let line = format!("{start}x='{x}'; y='{y}'; {ifs}{}", statements.join("; "));
            Drawn { line, arguments }
        },
    )
}
