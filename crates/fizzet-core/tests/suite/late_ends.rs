//! Words whose end, or whose separators, are known late: IFS that a word changes, braces and parentheses that hide
//! each other, lines that go on.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{Bash, Busybox, Dash, Mksh, Zsh};

#[test]
fn the_ifs_from_the_end_of_a_word_splits_lists_of_dash() {
    for shell in [Dash, Busybox] {
        let line = "unset IFS; set -- a 'b c'; label $*${IFS=:}$*";
        assert_eq!(told(shell, line), "a b c,a,b c");
    }
}

#[test]
fn lists_of_zsh_are_joined_before_they_are_split() {
    let line = |option: &str| format!("{option}; IFS=:; set -- '' a:b ''; label $* x$@y");
    assert_eq!(told(Zsh, &line("setopt shwordsplit")), ",a,b,,x,a,b,y");
    assert_eq!(told(Zsh, &line("emulate sh")), ",a,b,,x,a,b,y");
    assert_eq!(told(Zsh, &line(":")), "a:b,x,a:b,y");
}

#[test]
fn the_brace_behind_a_colon_ends_nothing_in_dash() {
    for shell in [Dash, Busybox] {
        assert_eq!(told(shell, "x=abc; label ${x:}q}s t"), "abcq,t");
        assert_eq!(told(shell, "x=abc; label \"p${x:}q r}s\"u t"), "pabcq r,t");
        assert_eq!(told(shell, "x=abc; label ${x:}; label after"), "");
    }
}

#[test]
fn parentheses_cut_braces_in_bash() {
    assert_eq!(told(Bash, "label a; label $((${x)) b; label c"), "a");
    assert_eq!(told(Bash, "label a; ((x=${y)); label b"), "a");
    assert_eq!(told(Bash, "x=5; label $((${x}+1)) $((${y-(1)}))"), "6,1");
}

#[test]
fn parentheses_hide_the_end_of_a_pattern_of_mksh() {
    assert_eq!(told(Mksh, "v='}x'; label ${v#@(a|})} ${v#*(b)}"), "x,}x");
    assert_eq!(told(Mksh, "v=a/bc; label ${v/@(a/b)/q}"), "qc");
    assert_eq!(told(Mksh, "label a; label ${v#*(}; label b"), "");
}

#[test]
fn a_tilde_goes_on_behind_a_line_continuation() {
    let home = told(Bash, "HOME=/hive; label ~/x");
    check("HOME=/hive; label ~\\\n/x", &[], &home);
    check("HOME=/hive; v=a:~\\\n/x; label $v", &[], "a:/hive/x");
}

#[test]
fn folders_have_names_by_aliases_in_mksh() {
    assert_eq!(told(Mksh, "hash -d q=/hives; label ~q/one ~none"), "/hives/one,~none");
    assert_eq!(told(Mksh, "alias -d q=/hives; unalias -d q; label ~q $?"), "~q,0");
}

#[test]
fn digits_before_a_sign_are_its_descriptor_and_no_file() {
    for line in ["label a >2>f; label b", "label a <0<f", "label a >>2 >f; label b >1>g"] {
        check(line, &[], "");
    }
    let copies = "label a 3>&1>&2; label b";
    assert_eq!(told(Bash, copies), "a b");
    for shell in [Dash, Busybox, Mksh, Zsh] {
        assert_eq!(told(shell, copies), "", "{shell}");
    }
}
