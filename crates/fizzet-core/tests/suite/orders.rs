//! In which order shells do what they do in one word or one list, and what that tells of the parts: separators that
//! change, lists that are emptied and filled, arguments of all calls, and groups of a match.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Dash, Ksh93, Mksh, Zsh};

#[test]
fn an_expansion_is_split_by_the_separators_of_its_time_or_of_the_end() {
    let line =
        "setopt shwordsplit; x='a:b c'; unset IFS; for i in $x${IFS=:}$x; do label \"<$i>\"; done";
    check(line, &[(&[Ksh93, Mksh, Zsh], "<a:b> <c> <a> <b c>")], "<a> <b c> <a> <b c>");
    let line = "setopt shwordsplit; x=a1b; IFS=1; for i in ${x}$((IFS=2)); do label \"<$i>\"; done";
    check(line, &[(&[Ksh93, Mksh], "<a> <b>"), (&[Zsh], "<a> <b2>")], "<a1b>");
}

#[test]
fn an_empty_ifs_at_the_start_keeps_words_of_ksh93_whole() {
    let line = "setopt shwordsplit; x=a:b; IFS=; label $x${IFS:=:}$x \"$#\"";
    check(line, &[(&[Ksh93], "a:b:a:b,0"), (&[Mksh, Zsh], "a:b,a,b,0")], "a,b,a,b,0");
}

#[test]
fn bash_keeps_the_arguments_of_calls_while_it_is_told_to() {
    let line = "f() { g 1 \"$@\"; }; g() { label ${BASH_ARGC[@]} / ${BASH_ARGV[@]}; }; f a; \
                shopt -s extdebug; f b c; shopt -u extdebug; f d";
    assert_eq!(told(Bash, line), "/ 3,2,0,/,c,b,1,c,b 0,/");
    assert_eq!(told(Bash, "f() { BASH_ARGV0=$1; }; f jar; label $0"), "jar");
    assert_eq!(told(Bash, "BASH_ARGV[0]=x; label $?; unset BASH_ARGV; label $?"), "0 1");
    assert_eq!(told(Bash, "read FUNCNAME <<<x; label $?; FUNCNAME=(x); label no"), "1");
}

#[test]
fn brackets_in_indexes_spoil_expressions_of_bash_that_expand_something() {
    let given = "a=(5 6); b=(0 1); n=1; ";
    for (expression, value) in [("a[b[n]]", "6"), ("b[1]+a[b[0]]", "6")] {
        assert_eq!(told(Bash, &format!("{given}label $(({expression}))")), value);
    }
    for expression in ["a[b[$n]]", "a[~n+3]", "$n+a[b[1]]", "a[b[`:`1]]"] {
        assert_eq!(told(Bash, &format!("{given}label $(({expression}))")), "", "{expression}");
    }
    let line = format!("{given}label $((a[b[$n]])) $((a[b[1]]+$n))");
    assert_eq!(told(Ksh93, &line), "6,7");
    assert_eq!(told(Mksh, &line), "6,7");
}

#[test]
fn bash_reckons_indexes_when_a_list_is_empty() {
    let line = "a=(5 6); a=([a[1]]=q x); label \"${!a[@]}\"";
    assert_eq!(told(Bash, line), "0,1");
    assert_eq!(told(Bash, "i=0; a=([i++]=$i [i++]=$i); label \"${a[@]}\""), "0,0");
}

#[test]
fn keyed_lists_grow_one_by_one_in_ksh93_and_at_once_in_bash() {
    let line = "typeset -A h; h[x]=1; h=([a]=3 [b]=${h[a]}${h[x]}); label \"[${h[b]}]\"";
    assert_eq!(told(Ksh93, line), "[3]");
    assert_eq!(told(Bash, line), "[1]");
    let line = "typeset -A h; h=([x]=1); h=([x]+=2 [y]=3 [y]+=4); label ${h[x]} ${h[y]}";
    assert_eq!(told(Bash, line), "12,4");
}

#[test]
fn parentheses_and_letters_in_groups_mean_more() {
    let line = "case ac in @(a(b|c))) label yes;; *) label no;; esac";
    assert_eq!(told(Ksh93, line), "yes");
    assert_eq!(told(Mksh, line), "yes");
    assert_eq!(told(Ksh93, "x=5a; label ${x#@(\\d)} ${x#\\d} ${x//@(\\D)/-}"), "a,5a,5-");
}

#[test]
fn escaped_openers_of_ksh93_open_where_the_field_has_a_sign_of_patterns() {
    for sign in ["\\", "(", "|", "&"] {
        assert_eq!(
            told(Ksh93, &format!("y='{sign}'; label \\{{a,b}}$y")),
            format!("a{sign},b{sign}")
        );
    }
    assert_eq!(told(Ksh93, "y=+; label \\{a,b}$y"), "{a,b}+");
}

proptest! {
    /// Two groups that change places change places, whatever they are.
    #[test]
    fn groups_of_a_match_change_places(one in "[a-z]{1,6}", other in "[0-9]{1,6}") {
        let line = format!("x={one}-{other}; label ${{x/@({one})-@({other})/\\2-\\1}} ${{x/*/\\0}}");
        prop_assert_eq!(told(Ksh93, &line), format!("{other}-{one},{one}-{other}"));
    }

    /// What one group that matches everything has is all of it.
    #[test]
    fn one_group_of_everything_is_everything(text in "[ -~é]{0,10}") {
        let quoted = text.replace('\'', "'\\''");
        let line = format!("x='{quoted}'; label \"${{x/@(*)/<\\1>}}\"");
        prop_assert_eq!(told(Ksh93, &line), format!("<{text}>"));
    }

    /// Where IFS does not change, when an expansion is split makes no difference.
    #[test]
    fn separators_that_stay_split_alike(text in "[ab:;]{0,8}") {
        let line = format!("x='{text}'; IFS=:; set -- $x${{y=}}; label $#");
        let bash = told(Bash, &line);
        prop_assert_eq!(&told(Ksh93, &line), &bash);
        prop_assert_eq!(&told(Dash, &line), &bash);
    }
}
