//! How far things reach: quotes in quotes, braces around values, values for one command, references, and indexes
//! beside a list.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

#[test]
fn single_quotes_in_quoted_operations_run_on_in_ksh93() {
    check("label \"${x-\"don't\"}\" jar", &[(&[Ksh93], "dont\"}\",jar")], "don't,jar");
    assert_eq!(told(Ksh93, "label \"${x-'\"'}\" jar"), "'}\",jar");
    assert_eq!(told(Ksh93, "label \"${x-\"a'\"}b'c\" lid"), "a\"}bc,lid");
    // A word that is not taken is never closed.
    assert_eq!(told(Ksh93, "x=hive; label jar; label \"${x-\"don't\"}\"; label lid"), "jar");
    assert_eq!(told(Ksh93, "label \"${x-\"{\"}\" \"${x-\"{a,b}\"}\""), "{},a},b}");
}

#[test]
fn braces_hold_what_values_bring() {
    let line = "x=jar,lid; set -- {hive,$x}; label $# $1";
    check(line, &[(&[Bash, Zsh], "2,hive"), (&[Ksh93, Mksh], "3,hive")], "1,{hive,jar,lid}");
    assert_eq!(told(Ksh93, "x=jar,lid; label {\"$x\"}"), "jar,lid");
    assert_eq!(told(Ksh93, "x='{a'; label {jar,$x}"), "{jar,{a}");
    assert_eq!(told(Ksh93, "set -f; label '{a,b}'{c,d}"), "ac,ad,bc,bd");
    check("x=1..3; label {$x}", &[(&[Ksh93, Zsh], "1,2,3")], "{1..3}");
}

#[test]
fn the_action_for_exit_sees_values_for_the_call_that_exits() {
    let line = "trap 'label ${jar-none}' EXIT; f() { exit 3; }; jar=7 f";
    check(line, &[], "7");
    let fails = "trap 'label ${jar-none}' EXIT; f() { set -e; false; }; jar=7 f";
    check(fails, &[(&[Posix, Dash, Busybox, Ksh93, Mksh], "7"), (&[Zsh], "")], "none");
    let inner = "trap 'label ${jar-none}' EXIT; f() { jar=8 g; }; g() { exit; }; jar=7 f";
    check(inner, &[(&[Zsh], "7")], "8");
    check("f() { return 3; }; jar=7 f; label ${jar-none}", &[(&[Ksh93], "7")], "none");
}

#[test]
fn utilities_of_bash_leave_what_they_assign() {
    let bash = |line: &str| told(Bash, line);
    assert_eq!(bash("jar=1 printf -v jar 5; label $jar; lid=1 let lid=5; label $lid"), "5 5");
    assert_eq!(bash("jar=0; jar=1 printf -v jar 1; label $jar"), "1");
    assert_eq!(bash("jar=0; jar=1 printf -v lid 1; label $jar $lid"), "0,1");
}

#[test]
fn names_of_references_take_operations() {
    assert_eq!(told(Bash, "declare -n r=hive; label ${!r#h} ${!r+set} ${!r/i/o}"), "ive,set,hove");
}

#[test]
fn zeros_of_ksh93_keep_their_sign_where_they_are_stored() {
    check("jar=0; : $((jar *= -3)); label $jar $((jar))", &[(&[Ksh93], "-0,0")], "0,0");
    assert_eq!(
        told(Ksh93, "typeset -i jar; ((jar = -0)); label $jar; ((lid = 0 - 0)); label $lid"),
        "0 0"
    );
}

#[test]
fn what_stands_before_a_list_is_put_before_it() {
    let zsh = |line: &str| told(Zsh, line);
    assert_eq!(zsh("a=(jar lid); a[-5]+=hive; label $a"), "hive,jar,lid");
    assert_eq!(zsh("a=(jar lid); a[-5]+=(x y); label $a; b[@]+=z; label $b"), "x,y,jar,lid z");
    assert_eq!(zsh("typeset -A h; h[]=3; label after"), "");
}

#[test]
fn connectors_of_ksh93_may_have_nothing_behind_them() {
    assert_eq!(told(Ksh93, "f() { label jar && ; }; f; false || ; label $?"), "jar 1");
    assert_eq!(told(Ksh93, "{ false || ; }; label $?; eval 'label jar &&'; label $?"), "0 3");
}

#[test]
fn ranges_of_ksh93_end_in_conversions() {
    assert_eq!(told(Ksh93, "label {1..3%02d} x{8..10..2%x}y {1..2%+d}"), "01,02,03,x8y,xay,+1,+2");
    assert_eq!(told(Ksh93, "label {1..3%s} {1..3..--1} {a..c%d}"), "{1..3%s},{1..3..--1},{a..c%d}");
    check("label {1..3%d}", &[(&[Ksh93], "1,2,3")], "{1..3%d}");
}

#[test]
fn backslashes_stand_between_parameters_of_ksh93() {
    let line = "set -- jar '' lid '*'; IFS=; label \"$*\"; lids=\"$*\"; label \"$lids\"";
    check(line, &[(&[Ksh93], "jar\\lid\\* jarlid*")], "jarlid* jarlid*");
    let pattern = "set -- jar d; IFS=; case jar7 in \"$*\") label seven;; *) label no;; esac";
    check(pattern, &[(&[Ksh93], "seven")], "no");
}

#[test]
fn folders_of_tildes_are_cut_in_replacements() {
    let line = "HOME=/hive; for x in '' /hive; do label \"${x/~/lid}\"; done";
    check(line, &[(&[Ksh93], "hive/lid /hive"), (&[Posix, Dash], "")], " lid");
}

#[test]
fn kinds_replace_what_is_read_only_in_zsh() {
    assert_eq!(told(Zsh, "readonly jar=1; typeset -i jar=2; label $jar; jar=3; label no"), "2");
    assert_eq!(
        told(Zsh, "readonly jar=1; typeset jar=(a b); label $jar ${(t)jar}"),
        "a,b,array-readonly"
    );
    assert_eq!(
        told(Zsh, "trap 'label $?; return 3' USR1; f() { false; kill -USR1 $$; }; f; label $?"),
        "1 0"
    );
}

#[test]
fn reserved_words_behind_redirections_count_in_some_shells() {
    let then = "if { label hive; } 2>&1 then label jar; fi";
    check(then, &[(&[Mksh, Zsh], "hive jar")], "");
    let esac = "case x in x) { label hive; } 2>&1 esac; label jar";
    check(esac, &[(&[Bash, Ksh93], "")], "hive jar");
    check("if { label hive; } 2>&1; then label jar; fi", &[], "hive jar");
}

#[test]
fn assignments_outlast_calls_in_the_posix_mode_of_bash() {
    let bash = |line: &str| told(Bash, &format!("set -o posix; {line}"));
    assert_eq!(bash("jar=0; f() { jar=2 :; }; jar=3 f; label $jar"), "2");
    assert_eq!(bash("f() { local jar=1; jar=2 :; label $jar; }; jar=0; f; label $jar"), "2 0");
    assert_eq!(bash("jar=0; f() { jar=2 :; unset jar; }; jar=3 f; label $jar"), "0");
    assert_eq!(bash("f() { jar=2 eval ':'; label $jar; }; jar=3 f; label ${jar-none}"), "2 none");
    assert_eq!(told(Bash, "jar=0; f() { jar=2 :; }; jar=3 f; label $jar"), "0");
}

#[test]
fn names_of_functions_are_looked_at_early_or_late() {
    let line = "if false; then a-b() { :; }; fi; label jar";
    check(line, &[(&[Posix, Dash, Busybox], "")], "jar");
    check(
        "(a-b() { :; }; label lid); label $?",
        &[(&[Posix, Dash, Busybox], ""), (&[Ksh93], "1")],
        "lid 0",
    );
    assert_eq!(told(Bash, "set -o posix; (a-b() { :; }; label lid); label $?"), "2");
    assert_eq!(told(Ksh93, "eval 'a-b() { :; }'; label $?"), "1");
    check("for glück in jar lid; do label $glück; done", &[(&[Ksh93, Zsh], "jar lid")], "");
}

#[test]
fn groups_that_nothing_closes_make_texts() {
    let line = "p='@(ja*'; [[ '@(jar' = $p ]]; label $?; [[ '@(ja*' = $p ]]; label $?";
    assert_eq!(told(Bash, line), "1 0");
    assert_eq!(told(Ksh93, line), "1 0");
    let inside = "p='?@(ja'; [[ 'x@(ja' = $p ]]; label $?";
    assert_eq!((told(Bash, inside), told(Ksh93, inside)), ("0".into(), "1".into()));
    assert_eq!(
        told(Bash, "[[ 'b[' = @(a|b[) ]]; label $?; [[ 'b]' = @(a|b[]]) ]]; label $?"),
        "1 0"
    );
}
