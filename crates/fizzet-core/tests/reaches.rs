//! How far things reach: quotes in quotes, braces around values, values for one command, references, and indexes
//! beside a list.

mod checked;
mod labels;

use checked::{check, told};
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
