//! What functions see of their callers, and what they and subshells leave as it was.

use crate::labels::labels;
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Zsh};
use proptest::prelude::*;

/// What a text tells: words with commas between them, commands with spaces.
fn told(shell: Shell, text: &str) -> String {
    let all = labels(shell, text, &["lime honey"]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(shell: Shell, text: &str, expected: &str) {
    assert_eq!(told(shell, text), expected, "{shell}: {text}");
}

/// A function whose variable another function looks at and changes.
const CALLER: &str = "function keeper { typeset jar=1; hive; label $jar; }
    function hive { label ${jar-none}; jar=2; }";

#[test]
fn functions_of_the_keyword_see_the_variables_of_the_shell_only() {
    let text = format!("{CALLER}\njar=0; keeper; label $jar");
    check(Ksh93, &text, "0 1 2");
    for shell in [Bash, Mksh, Zsh] {
        check(shell, &text, "1 2 0");
    }
    let plain = text.replace("function hive", "hive()");
    check(Ksh93, &plain, "1 2 0");
}

#[test]
fn exported_variables_are_copied() {
    let text = "function keeper { typeset -x jar=1; hive; label $jar; }
        function hive { jar=${jar}2; queen; label $jar; }
        function queen { label $jar; jar=3; }
        keeper; label ${jar-none}";
    check(Ksh93, text, "12 12 1 none");
    check(
        Ksh93,
        "function hive { label $jar; jar=2; queen; label $jar; }
        function queen { label $jar; jar=3; }
        jar=0; jar=1 hive; label $jar",
        "1 2 2 0",
    );
}

#[test]
fn names_of_names_reach_the_caller() {
    let text = |value: &str| {
        format!(
            "function hive {{ nameref it={value}; label $it ${{!it}}; it=7; }}
            function keeper {{ typeset jar=1; hive jar; label $jar; }}
            jar=0; keeper; label $jar"
        )
    };
    for of_caller in ["$1", "\"${1}\"", "${1%z}", "$(echo $1)"] {
        check(Ksh93, &text(of_caller), "1,jar 7 0");
    }
    for of_shell in ["jar", "$*", "${2-jar}"] {
        check(Ksh93, &text(of_shell), "0,jar 1 7");
    }
    check(
        Ksh93,
        "function hive { nameref it=$1; typeset jar=3; queen it; label $jar; }
        function queen { typeset jar=4; nameref that=$1; label $that ${!that}; that=9; label $jar; }
        jar=0; hive jar; label $jar",
        "0,jar 4 3 9",
    );
    check(
        Ksh93,
        "function hive { nameref it=$1; it[2]=c; label \"${!it[@]}\" ${#it[@]}; unset it[0]; }
        function keeper { typeset -a jars; jars=(a b); hive jars; label \"${jars[@]}\"; }
        keeper; label ${jars-none}",
        "0,1,2,3 b,c none",
    );
}

#[test]
fn variables_may_last_until_the_next_call() {
    let text = "function hive { typeset -S jars=0; ((jars++)); label $jars; }";
    check(Ksh93, &format!("{text}\nhive; hive; hive; label ${{jars-none}}"), "1 2 3 none");
    check(Ksh93, &format!("{text}\n(hive); hive; hive"), "1 1 2");
}

#[test]
fn actions_of_the_caller_do_not_count() {
    let text = |action: &str| {
        format!(
            "trap '{action}' USR1; function hive {{ kill -USR1 $$; label in; }}; hive; label $?"
        )
    };
    check(Ksh93, &text("label act $?"), "act,266 266");
    check(Ksh93, &text(""), "in 0");
    check(Bash, &text("label act"), "act in 0");
    let inner = "function hive { trap 'label own' TERM; queen; label $?; }
        function queen { kill -TERM $$; label in; }";
    check(Ksh93, &format!("trap 'label act' USR1\n{inner}\nhive"), "own 271");
    check(Ksh93, "trap 'label act' ERR; function hive { false; label in; }; hive; false", "in act");
    check(
        Ksh93,
        "trap 'label act' USR1; function hive { trap 'label b' USR1; }; hive; kill -USR1 $$",
        "act",
    );
}

/// How each shell makes a function and a variable of its own.
fn shells() -> impl Strategy<Value = (Shell, &'static str, &'static str)> {
    prop::sample::select(vec![
        (Bash, "F()", "local"),
        (Dash, "F()", "local"),
        (Busybox, "F()", "local"),
        (Mksh, "F()", "typeset"),
        (Zsh, "F()", "local"),
        (Ksh93, "function F", "typeset"),
    ])
}

proptest! {
    /// A subshell changes no variable, however it ends and whatever functions it ends in.
    #[test]
    fn subshells_change_nothing(
        (shell, head, own) in shells(),
        parts in prop::collection::vec(
            prop::sample::select(vec![
                "jar=5", "unset jar", "queen", "queen; queen", "eval 'jar=6'", "jar=7 queen", "bee", "bee 2", "(bee)",
                ": $(queen)", "jar=8 eval :",
            ]),
            1..4,
        ),
        end in prop::sample::select(vec!["", "; exit 3", "; queen", "; return 4", "; false"]),
        whole in any::<bool>(),
    ) {
        let body = format!("{}{end}", parts.join("; "));
        let inside = if whole { format!("({body})") } else { format!(": $( {body})") };
        let function = |name: &str, body: &str| format!("{} {{ {body}; }}", head.replace('F', name));
        let text = [
            function("keeper", &format!("{own} jar=1; {inside}; label $jar")),
            function("queen", &format!("{own} jar=2; exit 3")),
            function("bee", &format!("{own} jar=3 jars=$1; jar=4")),
            "jar=0; keeper; label $jar".into(),
        ];
        prop_assert_eq!(told(shell, &text.join("\n")), "1 0", "{} {}", shell, text.join("\n"));
    }
}
