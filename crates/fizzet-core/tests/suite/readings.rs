//! How shells read what looks the same: words of `test`, keys in expressions, failures behind functions, bars in
//! patterns, and the variables that they have from the start.

use crate::checked::{check, told};
use crate::labels::labels;
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

/// The status of a test in a shell.
fn status(shell: Shell, words: &str) -> String {
    told(shell, &format!("[ {words} ]; label $?"))
}

#[test]
fn parentheses_of_three_words_mean_different_things_to_test() {
    check("[ '(' -n ')' ]; label $?", &[(&[Busybox], "2")], "0");
    check("[ '(' -a ')' ]; label $?", &[(&[Ksh93], "2")], "0");
    check("[ '(' = ')' ]; label $?", &[], "1");
    check("[ '(' ')' ]; label $?", &[(&[Dash], "1")], "2");
}

#[test]
fn connectors_are_texts_where_the_shell_looks_ahead() {
    check("[ -a -a lid ]; label $?", &[(&[Ksh93], "1")], "0");
    check("[ -a -a lid -a ]; label $?", &[(&[Dash, Ksh93, Zsh], "1")], "2");
    check("[ lid -o ]; label $?", &[(&[Dash], "0"), (&[Zsh], "0")], "2");
    check("[ ! ! -z lid ]; label $?", &[(&[Dash], "0")], "1");
}

#[test]
fn what_stands_behind_a_test_counts_but_in_ksh93() {
    check("[ -n lid jar ]; label $?", &[(&[Ksh93], "0")], "2");
    check("[ 1 -eq 1 jar hive ]; label $?", &[(&[Ksh93], "0")], "2");
    check("[ lid = jar -o x y ]; label $?", &[], "2");
}

#[test]
fn known_answers_spare_mksh_the_rest_of_a_test() {
    check("[ lid -o 1 -eq x. ]; label $?", &[(&[Mksh], "0"), (&[Zsh], "0")], "2");
    check("[ '' -a 1 -eq x. ]; label $?", &[(&[Mksh], "1"), (&[Zsh], "1")], "2");
}

#[test]
fn options_are_asked_for_by_signs_and_beginnings() {
    let line = "[ -o errexit ]; label $?; set -e; [[ -o errexit ]] && label on";
    check(line, &[(&[Dash, Busybox, Posix], "2"), (&[Zsh], "2 on")], "1 on");
    assert_eq!(told(Ksh93, "[[ -o '?errexit' ]]; label $?; [[ -o -t ]]; label $?"), "0 1");
    assert_eq!(told(Mksh, "[[ -o !errexit ]]; label $?; [[ -o '' ]]; label $?"), "0 0");
}

proptest! {
    /// One word is true if it holds something, two words behind `!` turn that round, and every shell says so of
    /// words that are no operators.
    #[test]
    fn plain_words_are_tested_alike(one in "[a-z]{0,3}", other in "[a-z]{1,3}") {
        let empty = if one.is_empty() { "1" } else { "0" };
        let same = if one == other { "0" } else { "1" };
        for shell in Shell::ALL {
            prop_assert_eq!(status(shell, &format!("'{one}'")), empty);
            prop_assert_eq!(status(shell, &format!("'{one}' = '{other}'")), same);
            prop_assert_eq!(status(shell, &format!("! '{one}' = '{other}'")) == same, false);
            prop_assert_eq!(status(shell, &format!("'{one}' -a '{other}'")), empty);
            prop_assert_eq!(status(shell, &format!("'{one}' -o '{other}'")), "0");
        }
    }

    /// Any words whatever make a test that holds, does not, or is a mistake; and `!` turns round what four words say
    /// where the first of them is one.
    #[test]
    fn any_words_have_an_answer(words in prop::collection::vec("(-a|-o|!|'\\('|'\\)'|-n|-z|=|x|'')", 0..8)) {
        for shell in Shell::ALL {
            let answer = status(shell, &words.join(" "));
            prop_assert!(["0", "1", "2"].contains(&&*answer), "{shell}: {answer}");
        }
    }

    /// `(b)` makes a pattern that matches the text and nothing but that.
    #[test]
    fn quoted_patterns_match_themselves(text in "([ -<>-~é][ -~é]{0,11})?", other in "[ -~]{0,6}") {
        let line = "setopt extendedglob; [[ $1 = ${~${(b)1}} ]]; label $?; [[ $2 = ${~${(b)1}} ]]; label $?";
        let found = labels(Zsh, line, &[&text, &other]);
        prop_assert_eq!(&found[0], &["0"]);
        let same = if text == other { "0" } else { "1" };
        prop_assert_eq!(&found[1], &[same]);
    }

    /// A key that a variable holds is the same key wherever it is written, whatever is in it.
    #[test]
    fn keys_of_values_are_whole_in_expressions(key in "[ -~]{1,6}") {
        prop_assume!(key != "@" && key != "*");
        let line = "typeset -A h; k=$1; h[$k]=1; ((h[$k]++)); label \"${!h[@]}\" \"${h[$k]}\"";
        for shell in [Bash, Ksh93] {
            let found = labels(shell, line, &[&key]);
            prop_assert_eq!(&found[0], &[key.as_str(), "2"], "{}", shell);
        }
    }
}

#[test]
fn quoting_in_keys_of_expressions_is_gone() {
    let line = "typeset -A h; k='a b'; ((h[\"$k\"]++)); ((h['a b']++)); ((h[a\\ b]++)); label \"${!h[@]}\" \"${h[@]}\"";
    assert_eq!(told(Ksh93, line), "a b,3");
    assert_eq!(told(Bash, line), "a b,3");
    let given = "typeset -A h; k='\"x\"'; ((h[$k]=1)); label \"${!h[@]}\"";
    assert_eq!(told(Ksh93, given), "\"x\"");
    assert_eq!(
        told(Bash, "declare -A h; ((h[@]=3)); ((h[@]++)); label \"${!h[@]}\" $((h[@]))"),
        "@,4"
    );
    assert_eq!(told(Ksh93, "typeset -A h; label before; h[@]=1; label after"), "before");
}

#[test]
fn keys_beyond_ascii_have_the_order_of_the_shell() {
    let line = "declare -A h; for k in aé bä öc dü; do h[$k]=1; done; label \"${!h[@]}\"";
    assert_eq!(told(Bash, line), "öc,dü,aé,bä");
}

#[test]
fn negated_failures_pass_through_functions_of_zsh() {
    let negated = "set -e; hive() { ! true; }; hive; label after";
    check(negated, &[(&[Zsh], "after")], "");
    check("set -e; hive() { false && true; }; hive; label after", &[], "");
    let inside = "set -e; hive() { if true; then false && true; fi; }; hive; label after";
    assert_eq!(told(Zsh, inside), "after");
    assert_eq!(told(Zsh, "set -e; () { false && true }; label after"), "");
    assert_eq!(told(Zsh, "set -e; hive() { ! true; return }; hive; label after"), "");
    assert_eq!(told(Zsh, "set -e; (! true); label after"), "");
    let returns = "setopt errreturn; f() { g; label in }; g() { ! true }; f; label $?";
    assert_eq!(told(Zsh, returns), "in 0");
}

#[test]
fn bars_of_values_separate_alternatives() {
    assert_eq!(
        told(Zsh, "p='lid|jar'; [[ jar = ${~p} ]]; label $?; x=jars; label ${x#${~p}}"),
        "0 s"
    );
    assert_eq!(told(Zsh, "x=ab; label ${x#a|b} ${x#(a|b)}"), "ab,b");
    assert_eq!(told(Zsh, "p='\\[a'; [[ '[a' = ${~p} ]]; label $?"), "0");
}

#[test]
fn modifiers_change_words() {
    assert_eq!(
        told(Zsh, "x='/a/b.c /d/e.f'; label ${x:wt} ${x:wh} ${x:wt:r}"),
        "b.c e.f,/a /d,b.c e"
    );
    assert_eq!(told(Zsh, "x='lid lid'; label ${x:gws/l/m/} ${x:s/l/m/}"), "mid mid,mid lid");
    assert_eq!(told(Zsh, "x='a\\b'; label \"${x:s/\\\\/-/}\" \"${x:s/b/&&/}\""), "a-b,a\\bb");
}

#[test]
fn names_in_values_are_followed() {
    let line = "jars=(lid rim); list=(jars hive); label ${(P)list} ${(Pt)list} \"${(P)list}\"";
    assert_eq!(told(Zsh, line), "lid,rim,array,lid rim");
    assert_eq!(told(Zsh, "typeset -A h=(k v); x=h; label ${(Pk)x} ${(Pkv)x}"), "k,k,v");
}

#[test]
fn zsh_has_variables_from_the_start() {
    assert_eq!(
        told(Zsh, "label $LISTMAX $KEYTIMEOUT \"${PS1-none}\" ${+commands} ${#funcstack}"),
        "100,40,,1,0"
    );
    assert_eq!(
        told(Zsh, "PROMPT=hive; label $PS1 $prompt; LISTMAX=1+1; label $LISTMAX"),
        "hive,hive 2"
    );
    assert_eq!(
        told(Zsh, "label ${(t)funcstack} ${(t)CDPATH}; unset PS1; label ${PS1-none}"),
        "array-readonly-hide-hideval-special,scalar-tied-special none"
    );
    check("label ${MAILCHECK-none}", &[(&[Ksh93], "600"), (&[Zsh], "60")], "none");
}

#[test]
fn kill_tells_of_each_process() {
    let line = "trap 'label got' INT; kill -INT hive $$; label $?";
    let named: [(&[Shell], &str); 3] = [(&[Bash], "got 0"), (&[Dash], "2"), (&[Ksh93], "1")];
    check(line, &named, "got 1");
    check("kill a b c; label $?", &[(&[Busybox, Zsh], "3"), (&[Dash], "2")], "1");
}

#[test]
fn indexes_before_the_start_end_what_was_given_them() {
    let line = "a=(lid); read 'a[-2]' <<<jar; label $? \"${a[@]}\"";
    assert_eq!(told(Bash, line), "1,lid");
    assert_eq!(told(Bash, "a=(lid); label before; a[-2]=jar; label after"), "before");
    assert_eq!(told(Bash, "a=lid; label \"${a[@]:5}\"; label \"${a[*]:5}\""), " ");
    assert_eq!(told(Zsh, "a=(lid); label \"${(@)a[2,3]}\" z; label \"${(@)a[2,2]}\" z"), ",z z");
}
