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
fn word(shell: Shell, dialect: &Dialect) -> Texts {
    let mut kinds: Vec<Texts> = vec![
        parameter().boxed(),
        arithmetic(dialect),
        removal(),
        tilde(),
        glob(),
        quotes(dialect),
        substitution(),
        operation(),
    ];
    // mksh has no `printf` of its own.
    if shell != Shell::Mksh {
        kinds.push(format());
    }
    if dialect.braces != Braces::None {
        kinds.push(braces(dialect));
    }
    if dialect.substrings {
        kinds.push(slice());
    }
    if dialect.replacement {
        kinds.push(replacement(dialect));
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

/// Words of operations with braces, quotes and expansions of their own, used and not used.
fn operation() -> Texts {
    let name = any_of(vec!["x", "q", "1", "9", "n"]);
    let sign = any_of(vec!["-", ":-", "+", ":+"]);
    let word = any_of(vec![
        "{p,s}",
        "p{r,s}t",
        "{1..3}",
        "{p}",
        "{p,s} t",
        "'p s'",
        "\"p s\"",
        "p s",
        "$y",
        "\"$y\"",
        "~",
        "\\}",
        "$1 r",
        "${y-{p,s}}",
        "a=~",
        "*",
    ]);
    let around = any_of(vec!["", "e", "\"$1\"", "$y"]);
    (name, sign, word, around)
        .prop_map(|(name, sign, word, around)| format!("{around}${{{name}{sign}{word}}}"))
        .boxed()
}

/// Output of `printf` with flags, widths and precisions.
fn format() -> Texts {
    let conversion =
        any_of(vec!["%5s|", "%-5s|", "%.1s|", "%5.2s|", "%b|", "%s,", "%%%s", "%s %s;"]);
    let numeric =
        any_of(vec!["%03d|", "%+d|", "% d|", "%x|", "%#x|", "%o|", "%5d|", "%-4d|", "%.3d|"]);
    let quoted = any_of(vec!["", "\""]);
    let texts = (conversion, any_of(vec!["\"$x\"", "a b", "'a\\tb'", "\"$@\"", ""]));
    let numbers = (numeric, any_of(vec!["7", "7 -3", "$((n*m))", "0x1f", "010", ""]));
    let call = prop_oneof![texts, numbers];
    (call, quoted)
        .prop_map(|((format, words), quote)| format!("{quote}$(printf '{format}' {words}){quote}"))
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

fn replacement(dialect: &Dialect) -> Texts {
    let kind = any_of(vec!["/", "//"]);
    let mut patterns = vec![
        "a", "b", "?", "[ab]", "a*", "$y", "\"$y\"", " ", "x", "=", "=*", "-", "[/:]", "\\/", "(",
        ";",
    ];
    if dialect.extended_patterns {
        patterns.extend(["?(b)", "*(a)", "+(a)", "!(a*)", "@(a|b)"]);
    }
    let pattern = any_of(patterns);
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
    let longer = any_of(vec![
        "[ \"$x\" = a -o -n \"$1\" ]",
        "[ \"$x\" = a -a -n \"$1\" ]",
        "[ ! \"$x\" ]",
        "[ ! -n \"$x\" ]",
        "[ ! \"$x\" = a ]",
        "[ \\( \"$x\" = a \\) ]",
        "[ ! -z \"$x\" -o \"$1\" ]",
        "[ -n \"$x\" -a ! \"$1\" = a ]",
        "[ \"$#\" -gt 1 -o \"$n\" -lt \"$m\" ]",
        "test -n \"$x\" -a -z \"$y\" -o \"$1\" = a",
    ])
    .prop_map(|test| format!("{test}; label $?"));
    let mut kinds: Vec<Texts> = vec![case.boxed(), plain.boxed(), longer.boxed()];
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
    let words =
        proptest::collection::vec(word(shell, &dialect), 1..4).prop_map(|words| words.join(" "));
    let assigned = (name, word(shell, &dialect)).prop_map(|(name, word)| format!("{name}={word}"));
    let document = word(shell, &dialect)
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
