//! Random scripts: functions, loops, `set`, `shift`, `getopts`, `read`, `eval`, arrays, `case`, traps,
//! pipelines, redirections.

use fizzet_core::dialect::Shell;
use proptest::collection::vec;
use proptest::prelude::*;

use crate::Drawn;
use crate::lines::value;
use crate::programs::pick;

/// A script of several lines that ends.
pub(crate) fn script(shell: Shell) -> impl Strategy<Value = Drawn> {
    let arrays = matches!(shell, Shell::Bash | Shell::Ksh93 | Shell::Mksh | Shell::Zsh);
    let block = compound(simple(arrays, shell));
    let trap = prop_oneof![3 => Just(String::new()), 1 => pick(&[
        "trap 'label bye $? \"$@\"' EXIT",
        "trap 'label left' 0",
        "trap 'label once' EXIT; trap - EXIT",
    ])];
    (value(), value(), trap, vec(block, 1..5), vec(argument(), 0..5)).prop_map(
        |(x, y, trap, blocks, arguments)| {
            let functions = FUNCTIONS.join("\n");
            let line =
                format!("x='{x}' y='{y}' n=0 g=0 h=0\n{functions}\n{trap}\n{}", blocks.join("\n"));
            Drawn { line, arguments }
        },
    )
}

/// Functions that the scripts call.
const FUNCTIONS: [&str; 4] = [
    "tell() { label tell $# \"$@\"; }",
    "drop() { shift; label drop \"$@\"; return $#; }",
    "deep() { [ $# -eq 0 ] && return 3; label deep \"$1\" \"$*\"; shift; deep \"$@\"; }",
    "last() { for x; do :; done; label last \"$x\"; x=changed; }",
];

fn argument() -> BoxedStrategy<String> {
    prop_oneof![
        3 => pick(&["-a", "-b", "-ab", "-bjar", "-c", "-z", "--", "-", "-ba", "-ac"]),
        3 => pick(&["lime honey", "", "x", "*", "a:b", "back\\slash", "two\nlines"]),
        1 => value(),
    ]
    .boxed()
}

fn word() -> BoxedStrategy<String> {
    pick(&[
        "\"$x\"",
        "$x",
        "\"$1\"",
        "$1",
        "\"$@\"",
        "$@",
        "\"$*\"",
        "$*",
        "a",
        "'b c'",
        "\"${1-none}\"",
        "${2:-two}",
        "$#",
        "$n",
        "$((n+1))",
        "\"${y#*:}\"",
        "${y%%:*}",
        "\"${#x}\"",
        "$(echo $x)",
        "\"$(printf '%s,' \"$@\")\"",
        "*",
        "\"${3+set}\"",
        "$?",
    ])
}

/// At most one list, so that a loop does not make ever more words.
fn one_list() -> BoxedStrategy<String> {
    pick(&["", "\"$@\"", "$@", "\"$*\"", "$*", "\"$1\" \"$2\""])
}

/// Words that make one argument each, or none.
fn words_of_one(most: usize) -> BoxedStrategy<String> {
    let word =
        pick(&["\"$x\"", "a", "'b c'", "\"${1-none}\"", "$#", "\"${3+set}\"", "''", "$((n+1))"]);
    vec(word, 0..most).prop_map(|words| words.join(" ")).boxed()
}

fn words(most: usize) -> BoxedStrategy<String> {
    vec(word(), 0..most).prop_map(|words| words.join(" ")).boxed()
}

/// One command, or several that belong together.
fn simple(arrays: bool, shell: Shell) -> BoxedStrategy<String> {
    let mut all: Vec<(u32, BoxedStrategy<String>)> = vec![
        (4, words(4).prop_map(|words| format!("label {words}")).boxed()),
        (
            2,
            (one_list(), words_of_one(3))
                .prop_map(|(list, words)| format!("set -- {list} {words}"))
                .boxed(),
        ),
        (1, (pick(&["x", "y"]), word()).prop_map(|(name, word)| format!("{name}={word}")).boxed()),
        (
            2,
            (pick(&["tell", "drop", "deep", "last"]), words(3))
                .prop_map(|(name, words)| format!("{name} {words}"))
                .boxed(),
        ),
        (2, options()),
        (2, input()),
        (2, pick(EVALS)),
        (2, pick(STATUSES)),
        (2, pick(FILES)),
        (1, pick(&["[ $# -gt 0 ] && shift", "shift $(( $# > 1 ? 1 : 0 ))", "set -- \"$@\" end"])),
        (1, pick(&["IFS=:", "IFS=' :'", "IFS=", "unset IFS", "set -f", "set +f"])),
    ];
    if arrays {
        all.push((3, pick(if shell == Shell::Mksh { MKSH_ARRAYS } else { ARRAYS })));
    }
    proptest::strategy::Union::new_weighted(all).boxed()
}

fn options() -> BoxedStrategy<String> {
    let given = prop_oneof![
        2 => Just(String::new()),
        1 => vec(pick(&["-a", "-b v", "-bv", "-ab", "-z", "'-b'", "--", "word"]), 1..4)
            .prop_map(|words| words.join(" ")),
    ];
    (pick(&["ab:c", ":ab:c", "abz", "b:"]), given)
        .prop_map(|(letters, given)| {
            format!(
                "OPTIND=1\nwhile getopts {letters} o {given}; do label \"$o\" \"${{OPTARG-none}}\"; done\nlabel at $OPTIND"
            )
        })
        .boxed()
}

fn input() -> BoxedStrategy<String> {
    let reader = pick(&[
        "read -r p q",
        "read p q",
        "read -r p",
        "IFS=: read -r p q",
        "IFS= read -r p",
        "IFS=', ' read -r p q r",
    ]);
    let text = pick(&[
        "a b c",
        " a  b ",
        "a:b::c",
        "back\\slash q",
        "$x",
        "\"$y\"",
        "a, b,,c",
        "",
        "\\$x `echo q`",
    ]);
    prop_oneof![
        (reader.clone(), text.clone()).prop_map(|(reader, text)| {
            format!("p= q= r=\n{reader} <<E\n{text}\nE\nlabel $? \"$p\" \"$q\" \"$r\"")
        }),
        (reader, vec(text, 1..3)).prop_map(|(reader, texts)| {
            format!(
                "while {reader}; do label got \"$p\" \"${{q-}}\"; done <<E\n{}\nE",
                texts.join("\n")
            )
        }),
        pick(&[
            "printf '%s\\n' \"$@\" | while read -r p; do label piped \"$p\"; done",
            "{ echo a b; echo c; } | { read -r p q; read -r r; label \"$p\" \"$q\" \"$r\"; }",
            "label \"$(while read -r p; do echo \"<$p>\"; done <<E\n$x\nlast\nE\n)\"",
        ]),
    ]
    .boxed()
}

const EVALS: &[&str] = &[
    "i=1; eval \"label \\${$i-none}\"",
    "eval 'label \"$x\"' '\"$@\"'",
    "eval set -- '\"$@\"' more",
    "eval \"y=\\$x\"; label \"$y\"",
    "eval \"tell a 'b c'\"",
    "eval 'for j in 1 2; do label $j; done'",
    "eval; label $?",
    "eval false; label $?",
];

const STATUSES: &[&str] = &[
    "(exit 3); label $?",
    "(exit 4) || label failed $?",
    "false && label no; label $?",
    "! true; label $?",
    "if (exit 2); then label yes; else label no $?; fi",
    "(set -e; false; label no); label $?",
    "(set -e; false || label yes; true); label $?",
    "(set -u; label \"${nosuch-unset}\")",
    "(trap 'label sub' EXIT; label in)",
    "x=$(exit 5); label $?",
    "(shift $(($#)); label $#)",
    "case $# in 0) label none;; [12]) label few;; *) label many;; esac",
    "case $x in *:*) label colon;; '') label empty;; *[!a-z]*) label odd;; *) label \"$x\";; esac",
    "[ \"$x\" = \"$y\" ]; label $?",
    "[ -n \"$1\" ] && [ $# -ge 1 ]; label $?",
];

const FILES: &[&str] = &[
    "echo \"$x\" >jar.txt; read -r p <jar.txt; label \"$p\"",
    "printf '%s\\n' \"$@\" >jar.txt; while IFS= read -r p; do label \"$p\"; done <jar.txt",
    "echo one >jar.txt; echo two >>jar.txt; { read -r p; read -r q; } <jar.txt; label \"$p\" \"$q\"",
    "echo 'label sourced \"$1\" $#; n=7' >more.sh; . ./more.sh; label $n",
    "exec 3>jar.txt; echo a >&3; exec 3>&-; read -r p <jar.txt; label \"$p\"",
    "label *.txt; echo >new.txt; label *.txt",
    "[ -f jar.txt ]; label $?; echo >jar.txt; [ -f jar.txt ]; label $?",
    "p=$( { echo out; echo err >&2; } 2>&1 ); label \"$p\"",
    "(cd combs; label *; echo q >jar.txt); [ -f combs/jar.txt ]; label $?",
];

const ARRAYS: &[&str] = &[
    "a=(\"$@\"); label ${#a[@]} \"${a[@]}\"",
    "a=($x 'b c'); a+=(end); for i in \"${a[@]}\"; do label \"$i\"; done",
    "a=(p q r); a[1]=z; label \"${a[@]}\" \"${a[1]}\" \"${a[@]:1}\"",
    "a=(p q r); label \"${a[*]}\" ${a[@]#q}",
    "a=(\"$@\" x); set -- \"${a[@]}\"; label $#",
    "a=(p '' r); label ${a[@]} \"${a[@]}\" ${#a[1]}",
];

const MKSH_ARRAYS: &[&str] = &[
    "set -A a -- \"$@\"; label ${#a[@]} \"${a[@]}\"",
    "set -A a -- $x 'b c'; for i in \"${a[@]}\"; do label \"$i\"; done",
    "set -A a -- p q r; a[1]=z; label \"${a[@]}\" \"${a[1]}\"",
    "set -A a -- p q r; label \"${a[*]}\"",
    "set -A a -- \"$@\" x; set -- \"${a[@]}\"; label $#",
];

/// Commands inside compound commands, two levels deep.
fn compound(simple: BoxedStrategy<String>) -> BoxedStrategy<String> {
    simple
        .prop_recursive(2, 8, 3, |inner| {
            let body = vec(inner, 1..3).prop_map(|all| all.join("\n")).boxed();
            let bounded = "g=$((g+1)); [ $g -gt 12 ] && break";
            // A body may add a parameter for each parameter: such loops within loops would double them.
            let shared = "h=$((h+1)); [ $h -gt 40 ] && break";
            prop_oneof![
                words(3)
                    .prop_flat_map({
                        let body = body.clone();
                        move |words| (Just(words), body.clone())
                    })
                    .prop_map(move |(words, body)| {
                        format!("for i in {words}\ndo\n{shared}\n{body}\ndone")
                    }),
                body.clone().prop_map(move |body| format!(
                    "while [ $# -gt 0 ]\ndo\n{bounded}\nlabel \"$1\"\nshift\n{body}\ndone"
                )),
                body.clone().prop_map(move |body| format!(
                    "for i in 1 2 3\ndo\ncase $i in 2) continue;; esac\n{body}\ndone"
                )),
                body.clone().prop_map(|body| format!(
                    "if [ $# -gt 1 ]\nthen\n{body}\nelif [ \"$x\" ]\nthen label x\nfi"
                )),
                body.clone().prop_map(|body| format!("(\n{body}\n)")),
                body.clone().prop_map(|body| format!("{{\n{body}\n}}")),
                (body.clone(), words(3)).prop_map(|(body, words)| format!(
                    "run() {{\n{body}\n}}\nrun {words}; label back $? \"$@\""
                )),
                (body, word()).prop_map(|(body, word)| format!(
                    "case {word} in\n[a-m]*|'') {body}\n;;\n*) label other;;\nesac"
                )),
            ]
        })
        .boxed()
}
