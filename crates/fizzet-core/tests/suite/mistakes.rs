//! How a text that cannot be read, or that a shell gives up on, is told: what is wrong, where, what to do.

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::{SourceKind, Sources, Span};
use fizzet_core::state::State;
use fizzet_core::trace::Ending;
use fizzet_core::walk;

/// A place as line, column and what is written there.
fn place(span: Span, sources: &Sources) -> String {
    let position = sources.position(span);
    let written = String::from_utf8_lossy(sources.bytes(span)).into_owned();
    format!("{}:{} {written:?}", position.line, position.column)
}

/// How the trace of a text ends, or the first mistake behind which the shell goes on.
fn ending(shell: &str, text: &str) -> String {
    let shell = Shell::from_name(shell).unwrap();
    let state = State::new(Dialect::of(shell), SourceKind::Line, text.as_bytes());
    let trace = walk::line(state, Rc::new(Nowhere));
    let sources = &trace.sources;
    if let Some(mistake) = trace.mistakes.first() {
        let (place, status) = (place(mistake.span, sources), mistake.status);
        return format!("{place} {mistake}, status {status}, and on it goes");
    }
    match &trace.ending {
        Ending::Complete => "complete".into(),
        Ending::Incomplete => "incomplete".into(),
        Ending::ShellStops(error) => {
            format!("{} {error}, status {}", place(error.span, sources), error.status)
        }
        Ending::Syntax(error) => {
            format!("{} {error}; {}", place(error.span, sources), error.hint())
        }
        Ending::Stopped { message, span } => format!("{} {message}", place(*span, sources)),
    }
}

/// Checks texts of one shell.
fn check(shell: &str, texts: &[(&str, &str)]) {
    for (text, expected) in texts {
        assert_eq!(ending(shell, text), *expected, "{shell}: {text}");
    }
}

#[test]
fn what_is_never_closed_is_told_at_its_start() {
    check(
        "bash",
        &[
            (
                "label \"lime",
                "1:7 \"\\\"\" this \" is never closed; close it with \", or put a backslash before it if it stands for itself",
            ),
            (
                "label 'lime",
                "1:7 \"'\" this ' is never closed; close it with ', or put a backslash before it if it stands for itself",
            ),
            (
                "label ${x",
                "1:7 \"${\" this ${ is never closed; close it with }, or put a backslash before it if it stands for itself",
            ),
            (
                "label $(echo",
                "1:7 \"$(\" this $( is never closed; close it with ), or put a backslash before it if it stands for itself",
            ),
            (
                "label `echo",
                "1:7 \"`\" this ` is never closed; close it with `, or put a backslash before it if it stands for itself",
            ),
            (
                "if true; label",
                "1:1 \"if\" this if is never closed; close it with then, or put a backslash before it if it stands for itself",
            ),
            (
                "if true; then label",
                "1:1 \"if\" this if is never closed; close it with fi, or put a backslash before it if it stands for itself",
            ),
            (
                "while true; do label",
                "1:1 \"while\" this while is never closed; close it with done, or put a backslash before it if it stands for itself",
            ),
            (
                "{ label",
                "1:1 \"{\" this { is never closed; close it with }, or put a backslash before it if it stands for itself",
            ),
            (
                "(label",
                "1:1 \"(\" this ( is never closed; close it with ), or put a backslash before it if it stands for itself",
            ),
            (
                "[[ a -eq ]]",
                "1:1 \"[[\" this [[ is never closed; close it with ]], or put a backslash before it if it stands for itself",
            ),
            (
                "label\n\n  label \"x",
                "3:9 \"\\\"\" this \" is never closed; close it with \", or put a backslash before it if it stands for itself",
            ),
            (
                "label äö \"lime",
                "1:10 \"\\\"\" this \" is never closed; close it with \", or put a backslash before it if it stands for itself",
            ),
            (
                "eval 'label \"'; hive",
                "1:7 \"\\\"\" this \" is never closed, status 2, and on it goes",
            ),
        ],
    );
    check(
        "zsh",
        &[("label (a", "1:7 \"(a\" a ( in this pattern is never closed, status 1, and on it goes")],
    );
    check(
        "dash",
        &[(
            "eval 'label \"'; hive",
            "1:7 \"\\\"\" this \" is never closed; close it with \", or put a backslash before it if it stands for itself",
        )],
    );
}

#[test]
fn what_cannot_stand_somewhere_is_told_with_what_was_expected() {
    check(
        "bash",
        &[
            (
                "for x in a b; label; done",
                "1:15 \"label\" `label` cannot stand here; do was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label )",
                "1:7 \")\" `)` cannot stand here; a command, or the end of the line was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label; }",
                "1:8 \"}\" `}` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "done",
                "1:1 \"done\" `done` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "&& label",
                "1:1 \"&&\" `&&` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label | | hive",
                "1:9 \"|\" `|` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label ;; hive",
                "1:7 \";;\" `;;` cannot stand here; a command, or the end of the line was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label < | hive",
                "1:9 \"|\" `|` cannot stand here; a file name or delimiter was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "f() label",
                "1:5 \"label\" a simple command cannot stand here; a compound command as the body of the function was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "[[ a b ]]",
                "1:6 \"b\" `b` cannot stand here; an operator or ]] was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
        ],
    );
    check(
        "dash",
        &[
            (
                "f-g() { :; }",
                "1:1 \"f-g\" this cannot be the name of a function here; use letters, digits and underscores, not beginning with a digit",
            ),
            (
                "a=(b c)",
                "1:3 \"(\" `(` cannot stand here; a command, or the end of the line was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "label <(hive)",
                "1:8 \"(\" `(` cannot stand here; a file name or delimiter was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
        ],
    );
    check(
        "posix",
        &[(
            "function f { :; }",
            "1:17 \"}\" `}` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
        )],
    );
}

#[test]
fn a_text_that_ends_too_early_is_told_at_its_end() {
    check(
        "bash",
        &[
            (
                "case a in b) label",
                "1:19 \"\" the text ends here, but ;; or esac was expected; add ;; or esac",
            ),
            ("label &&", "1:9 \"\" the text ends here, but a command was expected; add a command"),
            (
                "label >",
                "1:8 \"\" the text ends here, but a file name or delimiter was expected; add a file name or delimiter",
            ),
            (
                "select x in a",
                "1:14 \"\" the text ends here, but a word, ; or a newline was expected; add a word, ; or a newline",
            ),
        ],
    );
    check(
        "zsh",
        &[(
            "for x (a b",
            "1:11 \"\" the text ends here, but a word or ) was expected; add a word or )",
        )],
    );
}

#[test]
fn what_a_shell_gives_up_on_is_told_with_its_status() {
    check(
        "bash",
        &[
            (
                "label $((1 +))",
                "1:10 \"1 +\" arithmetic: the expression ends where a value was expected, status 1, and on it goes",
            ),
            (
                "label $((1/0))",
                "1:10 \"1/0\" arithmetic: division by zero, status 1, and on it goes",
            ),
            ("label ${x?}", "1:7 \"${x?}\" x: it is not set, status 127"),
            ("label ${x:?no jar}", "1:7 \"${x:?no jar}\" x: no jar, status 127"),
            (
                "set -u; label $nosuch",
                "1:15 \"$nosuch\" nosuch is not set, and set -u is on, status 127",
            ),
            ("readonly x=1; x=2; label", "1:15 \"x=2\" x is read-only, status 1, and on it goes"),
            (
                "shopt -s failglob; label *.nosuch",
                "1:26 \"*.nosuch\" no pathname matches *.nosuch, status 1, and on it goes",
            ),
            ("label ${x!}", "1:7 \"${x!}\" bad substitution, status 1, and on it goes"),
            (
                "label {1..999999999}",
                "1:7 \"{1..999999999}\" more than 250000 words of a brace expansion",
            ),
        ],
    );
    check(
        "dash",
        &[
            ("label $((1/0))", "1:10 \"1/0\" arithmetic: division by zero, status 2"),
            (
                "shift 2; label",
                "1:1 \"shift 2\" shift: there are fewer parameters than that, status 2",
            ),
            ("label ${x/a/b}", "1:7 \"${x/a/b}\" bad substitution, status 2"),
        ],
    );
    check(
        "zsh",
        &[(
            "label *.nosuch",
            "1:7 \"*.nosuch\" no pathname matches *.nosuch, status 1, and on it goes",
        )],
    );
    check("ksh93", &[("label ${x!}", "1:7 \"${x!}\" bad substitution, status 1")]);
    check(
        "mksh",
        &[(
            "label ${@?}",
            "1:7 \"${@?}\" a list is neither assigned to nor demanded here, status 1",
        )],
    );
}

#[test]
fn reserved_words_that_begin_no_command_are_told_where_they_stand() {
    check(
        "bash",
        &[
            (
                "label lid; in",
                "1:12 \"in\" `in` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "]] lid",
                "1:1 \"]]\" `]]` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                "in() { label lid; }",
                "1:1 \"in\" `in` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
        ],
    );
    check(
        "zsh",
        &[
            (
                "jar=lime then",
                "1:10 \"then\" `then` cannot stand here; a command, or the end of the line was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            (
                ">lid esac",
                "1:6 \"esac\" `esac` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            ("in", "complete"),
        ],
    );
    check(
        "dash",
        &[
            (
                "label lid | in",
                "1:13 \"in\" `in` cannot stand here; a command was expected; quote it if it is meant as text: '...' or a backslash before it",
            ),
            ("]]", "complete"),
        ],
    );
}

#[test]
fn reserved_words_behind_redirections_are_told_where_they_stand() {
    let then = "1:19 \"then\" `then` cannot stand here; a semicolon or a newline was expected; put ; before it";
    for shell in ["posix", "bash", "dash", "busybox", "ksh93"] {
        check(shell, &[("if { hive; } >lid then jar; fi", then)]);
    }
    let clause = "1:29 \"then\" `then` cannot stand here; a semicolon or a newline was expected; put ; before it";
    check("zsh", &[("if if hive; then :; fi >lid then jar; fi", clause)]);
    let esac = "1:29 \"esac\" `esac` cannot stand here; a semicolon or a newline was expected; put ; before it";
    check("bash", &[("case x in x) { hive; } >lid esac", esac)]);
}

#[test]
fn what_makes_an_expansion_none_is_told_by_the_shell_that_finds_it() {
    check(
        "dash",
        &[
            (
                "label ${jar'lid'}",
                "1:16 \"'\" this ' is never closed; close it with ', or put a backslash before it if it stands for itself",
            ),
            ("label ${jar!}", "1:7 \"${jar!}\" bad substitution, status 2"),
        ],
    );
    check(
        "ksh93",
        &[
            (
                "label ${(lid)jar}",
                "1:7 \"${(lid)jar}\" commands in braces cannot be read, status 3",
            ),
            ("label ${(label lid)}", "incomplete"),
        ],
    );
    check(
        "zsh",
        &[
            ("label \"${jar[$lid]}\"", "1:14 \"$lid\" there is no index in the brackets, status 1"),
            (
                "jars=(lime); label ${jars:1:lid}",
                "1:20 \"${jars:1:lid}\" bad substitution, status 1",
            ),
        ],
    );
}

#[test]
fn utilities_that_are_used_wrongly_end_what_each_shell_lets_them_end() {
    check(
        "bash",
        &[
            ("set -fZ; label *", "complete"),
            ("exit lid jar", "1:1 \"exit lid jar\" exit: a status was expected, status 2"),
        ],
    );
    check(
        "ksh93",
        &[("trap INT; label lid", "1:1 \"trap INT\" trap: a condition was expected, status 1")],
    );
    check("mksh", &[(". -x; label lid", "1:1 \". -x\" .: an option is not known, status 1")]);
}

#[test]
fn mistakes_in_expressions_are_told_where_the_shell_goes_on() {
    let ends =
        "arithmetic: the expression ends where a value was expected, status 1, and on it goes";
    check(
        "bash",
        &[
            ("((1+)); label", &format!("1:3 \"1+\" {ends}")),
            ("let '1+'; label", &format!("1:1 \"let '1+'\" {ends}")),
            ("[[ 1+ -eq 2 ]]; label", &format!("1:4 \"1+\" {ends}")),
            ("[[ 1 -eq 2+ ]]; label", &format!("1:10 \"2+\" {ends}")),
            ("for ((i=1+;;)); do :; done", &format!("1:7 \"i=1+\" {ends}")),
            (
                "for ((i=0;i<2;i;i++)); do :; done",
                "1:16 \";\" `;` cannot stand here; )) was expected; quote it if it is meant as text: '...' or a \
                 backslash before it",
            ),
        ],
    );
    check(
        "zsh",
        &[(
            "label $jar[1 ]",
            "1:7 \"$jar[\" the brackets are not closed in their word; write ${name[...]} or quotes, status 1",
        )],
    );
}
