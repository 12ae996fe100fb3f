//! The whole way of every byte of an argument: what is said is written down here, line by line.

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_core::state::State;
use fizzet_core::text::Text;
use fizzet_core::walk;

/// Each stretch of an argument with its hops, latest first: the rule, and what is written there.
fn way(text: &Text, sources: &Sources) -> String {
    let stretch = |(run, bytes): (&fizzet_core::text::Run, &[u8])| {
        let hops = run.origin.hops().map(|origin| {
            let written = String::from_utf8_lossy(sources.bytes(origin.span())).into_owned();
            format!("{} {written}", origin.rule().name())
        });
        let bytes = String::from_utf8_lossy(bytes).into_owned();
        format!("{bytes} < {}", hops.collect::<Vec<_>>().join(" < "))
    };
    text.runs().map(stretch).collect::<Vec<_>>().join(" | ")
}

/// The ways of the arguments of the last command of a line.
fn ways(shell: &str, line: &str, arguments: &[&str]) -> Vec<String> {
    let shell = Shell::from_name(shell).unwrap();
    let mut state = State::new(Dialect::of(shell), SourceKind::Line, line.as_bytes());
    state.give_arguments(&arguments.iter().map(|one| one.as_bytes().to_vec()).collect());
    let trace = walk::line(state, Rc::new(Nowhere));
    let last = trace.commands.last().expect("a command");
    last.argv[1..].iter().map(|text| way(text, &trace.sources)).collect()
}

/// Checks lines of one shell, each with its ways; the arguments are those of a co-op.
fn check(shell: &str, lines: &[(&str, &[&str])]) {
    for (line, expected) in lines {
        assert_eq!(ways(shell, line, &["lime honey", "heather"]), *expected, "{shell}: {line}");
    }
}

#[test]
fn what_is_written_is_told_with_its_quotes() {
    check(
        "bash",
        &[
            ("label lime", &["lime < literal lime"]),
            (
                "label li\"me \"'honey'\\ x",
                &[
                    "li < literal li | me  < quoted me  | honey < quoted 'honey' |   < quoted \\  | x < literal x",
                ],
            ),
            ("label $'a\\tb'", &["a\tb < ansi-c $'a\\tb'"]),
            ("label ~", &["~ < literal ~"]),
        ],
    );
}

#[test]
fn values_are_told_back_to_where_they_were_given() {
    check(
        "bash",
        &[
            ("jar=lime; label $jar", &["lime < parameter $jar < stored jar=lime < literal lime"]),
            (
                "jar='lime honey'; label $jar",
                &[
                    "lime < parameter $jar < stored jar='lime honey' < quoted 'lime honey'",
                    "honey < parameter $jar < stored jar='lime honey' < quoted 'lime honey'",
                ],
            ),
            ("label \"$1\"", &["lime honey < parameter $1 < given lime honey"]),
            ("shift; label \"$1\"", &["heather < parameter $1 < given heather"]),
            (
                "f() { label \"$1\"; }; f \"$2\"",
                &["heather < parameter $1 < call f \"$2\" < parameter $2 < given heather"],
            ),
            (
                "x=$2; y=$x; label $y",
                &[
                    "heather < parameter $y < stored y=$x < parameter $x < stored x=$2 < parameter $2 < given heather",
                ],
            ),
            (
                "read x <<< \"$1\"; label \"$x\"",
                &[
                    "lime honey < parameter $x < stored read x <<< \"$1\" < parameter $1 < given lime honey",
                ],
            ),
            (
                "printf -v x %s-%s a \"$2\"; label $x",
                &[
                    "a < parameter $x < stored printf -v x %s-%s a \"$2\" < literal a | - < parameter $x < stored printf -v x %s-%s a \"$2\" < literal %s-%s | heather < parameter $x < stored printf -v x %s-%s a \"$2\" < parameter $2 < given heather",
                ],
            ),
        ],
    );
    check(
        "ksh93",
        &[(
            "IFS=:; x=a:b; label $x",
            &[
                "a < parameter $x < stored x=a:b < literal a:",
                "b < parameter $x < stored x=a:b < literal b",
            ],
        )],
    );
}

#[test]
fn lists_and_calls_keep_the_way_of_each_parameter() {
    check(
        "bash",
        &[
            (
                "label \"$*\"",
                &[
                    "lime honey < parameter $* < given lime honey |   < join $* | heather < parameter $* < given heather",
                ],
            ),
            (
                "set -- \"$2\"; label x$1",
                &[
                    "x < literal x | heather < parameter $1 < stored set -- \"$2\" < parameter $2 < given heather",
                ],
            ),
            (
                "a=(x y); label \"${a[@]}\" ${#a[@]}",
                &[
                    "x < parameter ${a[@]} < stored a=(x y) < literal x",
                    "y < parameter ${a[@]} < stored a=(x y) < literal y",
                    "2 < parameter ${#a[@]} < shell ",
                ],
            ),
            ("label \"${@:2}\"", &["heather < parameter ${@:2} < given heather"]),
            ("eval 'label $2'", &["heather < parameter $2 < given heather"]),
            (
                "for jar in a \"$2\"; do label $jar; done",
                &["heather < parameter $jar < stored jar < parameter $2 < given heather"],
            ),
        ],
    );
}

#[test]
fn operations_tell_what_they_changed_and_what_they_kept() {
    check(
        "bash",
        &[
            (
                "x=lime; label ${x#l} ${x%e}",
                &[
                    "ime < parameter ${x#l} < stored x=lime < literal lime",
                    "lim < parameter ${x%e} < stored x=lime < literal lime",
                ],
            ),
            (
                "x=lime; label ${x/i/o}",
                &[
                    "l < parameter ${x/i/o} < stored x=lime < literal lime | o < parameter ${x/i/o} < literal o | me < parameter ${x/i/o} < stored x=lime < literal lime",
                ],
            ),
            ("x=lime; label ${x^}", &["Lime < parameter ${x^} < stored x=lime < literal lime"]),
            ("label ${nosuch:-a$2}", &["a < literal a | heather < parameter $2 < given heather"]),
        ],
    );
    check(
        "zsh",
        &[
            (
                "x=lime; label ${(U)x} ${x:u}",
                &[
                    "LIME < parameter ${(U)x} < stored x=lime < literal lime",
                    "LIME < parameter ${x:u} < stored x=lime < literal lime",
                ],
            ),
            ("label ${(U):-lime}", &["LIME < parameter ${(U):-lime} < literal lime"]),
            (
                "x=lime; label ${(l:6::.:)x}",
                &["..lime < parameter ${(l:6::.:)x} < stored x=lime < literal lime"],
            ),
        ],
    );
}

#[test]
fn what_the_shell_makes_is_told_as_its_own() {
    check(
        "bash",
        &[
            (
                "label $(echo \"$1\")",
                &[
                    "lime < command $(echo \"$1\") < parameter $1 < given lime honey",
                    "honey < command $(echo \"$1\") < parameter $1 < given lime honey",
                ],
            ),
            ("label $((1 + 2))", &["3 < arithmetic $((1 + 2))"]),
            ("label a{b,c}", &["a < literal a | b < literal b", "a < literal a | c < literal c"]),
            ("label {1..2}", &["1 < brace 1..2", "2 < brace 1..2"]),
            ("label $# $?", &["2 < parameter $# < shell ", "0 < parameter $? < shell "]),
        ],
    );
    check(
        "zsh",
        &[(
            "label {1..2}",
            &["1 < brace {1..2} < literal {1..2}", "2 < brace {1..2} < literal {1..2}"],
        )],
    );
    check("ksh93", &[("label a{b,c}", &["ab < literal a{b,c}", "ac < literal a{b,c}"])]);
    check("dash", &[("alias w='label b'\nw c", &["b < literal b", "c < literal c"])]);
    check(
        "mksh",
        &[(
            "label ${1@Q}",
            &[
                "'lime < parameter ${1@Q} < given lime honey",
                "honey' < parameter ${1@Q} < given lime honey",
            ],
        )],
    );
}

#[test]
fn what_an_alias_puts_in_comes_from_the_alias() {
    check(
        "dash",
        &[("alias ll='label -w '\nll lime", &["-w < literal -w", "lime < literal lime"])],
    );
    check(
        "mksh",
        &[(
            "f() { local jar=$1; label \"$jar\"; }; f \"$2\"",
            &[
                "heather < parameter $jar < stored local jar=$1 < parameter $1 < call f \"$2\" < parameter $2 < given heather",
            ],
        )],
    );
}

#[test]
fn what_read_and_slices_take_keeps_its_way() {
    check(
        "bash",
        &[(
            "read a b <<<'lime dark\\ ' ; label \"$b\"",
            &["dark  < parameter $b < stored read a b <<<'lime dark\\ ' < quoted 'lime dark\\ '"],
        )],
    );
    check(
        "bash",
        &[(
            "jars[3]=lime; jars[8]=$2; label \"${jars[@]:4}\"",
            &[
                "heather < parameter ${jars[@]:4} < stored jars[8]=$2 < parameter $2 < given heather",
            ],
        )],
    );
    check(
        "ksh93",
        &[(
            "typeset -u jars; jars+=($2); label \"${jars[@]}\"",
            &["HEATHER < parameter ${jars[@]} < stored jars+=($2) < parameter $2 < given heather"],
        )],
    );
}
