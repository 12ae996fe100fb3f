//! Functions of ksh93 that stand between a variable and what reads or changes it.

use crate::labels::labels;
use fizzet_core::dialect::Shell::{self, Bash, Ksh93, Mksh, Zsh};
use proptest::prelude::*;

/// What a text tells: words with commas between them, commands with spaces.
fn told(shell: Shell, text: &str) -> String {
    let all = labels(shell, text, &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(text: &str, expected: &str) {
    assert_eq!(told(Ksh93, text), expected, "{text}");
}

#[test]
fn a_function_gives_the_value_that_is_read() {
    let get = "function jar.get { .sh.value=lime; }; jar=clover";
    check(&format!("{get}; label $jar ${{jar#l}} ${{#jar}} ${{jar:-no}}"), "lime,ime,4,lime");
    check(&format!("{get}; x=$jar; case $jar in lime) label $x;; esac"), "lime");
    check(&format!("{get}; unset -f jar.get; label $jar"), "clover");
    check("function n.get { .sh.value=$((++i)); }; label $n $n $((n + 10)) $n", "1,2,13,4");
    check("function jar.get { :; }; jar=lime; label $jar", "lime");
}

#[test]
fn a_function_changes_or_refuses_what_is_assigned() {
    let set = "function jar.set { label $jar-${.sh.value}; .sh.value=[${.sh.value}]; }";
    check(&format!("{set}; jar=a; jar=b; label $jar"), "-a [a]-b [b]");
    check(&format!("{set}; for jar in a b; do :; done; label $jar"), "-a [a]-b [b]");
    check(&format!("{set}; read jar <<<lime; label $jar"), "-lime [lime]");
    check(&format!("{set}; : ${{jar:=q}}; typeset jar=r; label $jar"), "-q [q]-r [r]");
    check("function n.set { ((.sh.value *= 2)); }; n=4; ((n = 5)); ((n++)); label $n", "22");
    let refuses = "function n.set { [[ ${.sh.value} == +([0-9]) ]] || unset .sh.value; }";
    check(&format!("{refuses}; n=3; n=abc; label $n; n=44; label $n"), "3 44");
}

#[test]
fn what_is_added_and_unset_has_functions_too() {
    let adds = "function jars.append { .sh.value=+${.sh.value}; }";
    check(&format!("{adds}; jars=a; jars+=b; jars+=c; label $jars"), "a+b+c");
    let leaves = "function jar.unset { label gone $jar; }; jar=lime; unset jar";
    check(&format!("{leaves}; label ${{jar-none}}; jar=x; unset jar"), "gone,lime none");
    let set = "function jar.set { label set; }; jar=a; unset jar; jar=b; label $jar";
    check(set, "set b");
}

#[test]
fn elements_tell_their_keys() {
    let get = "typeset -A jars; function jars.get { .sh.value=[${.sh.subscript}]; }";
    check(&format!("{get}; label ${{jars[lime]}} ${{jars[a b]}}"), "[lime],[a,b]");
    let set = "function hives.set { label ${.sh.name} ${.sh.subscript} ${.sh.value}; }";
    check(&format!("typeset -a hives; {set}; hives[2]=q; hives[1+2]=r"), "hives,2,q hives,3,r");
}

#[test]
fn only_the_variable_outside_is_meant() {
    let get = "function jar.get { .sh.value=out; }; jar=a";
    check(&format!("{get}; function f {{ typeset jar=b; label $jar; }}; f; label $jar"), "b out");
    let set = "function jar.set { .sh.value=s${.sh.value}; }";
    check(&format!("{set}; jar=t true; label ${{jar-none}}; jar=(p q); label $jar"), "none p");
    check("function jar.get { label in $jar; }; jar=a; label $jar", "in,a a");
    check("x=1; function x.get { .sh.value=$y; }; function y.get { .sh.value=$x; }; label $x", "1");
}

#[test]
fn names_that_no_function_can_have_end_the_shell() {
    check("label a; function jar.fill { :; }; label b", "a");
    check("label a; function c.x.get { :; }; label b", "a");
    for shell in [Bash, Mksh, Zsh] {
        let text = "jar=a; function jar.get { .sh.value=b; }; label $jar";
        assert_ne!(told(shell, text), "b", "{shell}");
    }
}

proptest! {
    #[test]
    fn each_assignment_is_seen_once(values in prop::collection::vec("[a-z0-9]{0,4}", 1..8)) {
        let assignments: String = values.iter().map(|value| format!("jar={value}; ")).collect();
        let text = format!("integer n; function jar.set {{ ((n++)); }}; {assignments} label $n \"$jar\"");
        let last = values.last().map_or("", String::as_str);
        prop_assert_eq!(told(Ksh93, &text), format!("{},{last}", values.len()));
    }

    #[test]
    fn a_value_read_is_what_the_function_says(value in "[a-z]{1,5}", hidden in "[a-z]{0,5}") {
        let text = format!("jar={hidden}; function jar.get {{ .sh.value={value}; }}; label $jar \"$jar\" ${{#jar}}");
        prop_assert_eq!(told(Ksh93, &text), format!("{value},{value},{}", value.len()));
    }
}
