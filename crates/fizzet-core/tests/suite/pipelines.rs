//! Pipelines inside pipelines, signs that stand alone, and what comes of a failure whose status somebody asks for: in
//! texts, in functions, in the background and in actions.

use crate::files::check;
use crate::labels::labels;
use fizzet_core::dialect::Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

#[test]
fn a_bang_behind_a_bar_takes_the_rest_along_or_is_a_mistake() {
    let text = "label a\n: | ! false | false; label $?";
    check(&[Ksh93, Mksh], text, "a 0");
    check(&[Posix, Bash, Dash, Busybox, Zsh], text, "a");
    assert!(labels(Zsh, text, &[]).is_empty(), "zsh reads a line as a whole");
}

#[test]
fn time_behind_a_bar_is_a_program_where_it_is_not_reserved_there() {
    let text = "label a | time label b";
    check(&[Ksh93, Mksh, Zsh], text, "a b");
    check(&[Bash, Dash, Busybox], text, "a");
    check(&[Zsh], "time { time label a; }", "");
    check(&[Mksh, Ksh93], "time { time label a; }", "a");
}

#[test]
fn two_bangs_ask_for_the_status_except_in_bash() {
    let text = "set -e; ! ! false; label $?";
    check(&[Ksh93, Mksh], text, "1");
    check(&[Bash], text, "");
}

#[test]
fn options_of_time_may_come_from_anywhere_in_mksh() {
    check(&[Mksh], "time -p -p label a; o=-p; time $o label b; time -p then", "a b");
    check(&[Mksh], "label a\ntime -x label b; label c", "a");
}

#[test]
fn a_sign_stands_alone_before_what_each_shell_takes() {
    check(&[Ksh93, Zsh], "label a\nif ! then label b; fi; case a in a) ! ;; esac; label $?", "a 1");
    check(&[Bash], "label a\n! ; label $?\ncase a in a) ! ;; esac; label b", "a 1");
    check(&[Mksh, Zsh], "label a\ntime | label b", "a b");
    check(&[Ksh93], "label a\ntime | label b", "a");
    check(&[Zsh], "label a\ncoproc; label $?\n: | coproc label b", "a 0");
}

#[test]
fn only_the_last_pipeline_of_zsh_goes_into_the_background() {
    let text = "x=0; x=1 && : & wait; label $x; f() { return 3 && : & label in; }; f; label $?";
    check(&[Zsh], text, "1 3");
    check(&[Posix, Bash, Dash, Busybox, Ksh93, Mksh], text, "0 in 0");
}

#[test]
fn a_text_of_bash_does_not_know_who_asks_for_its_status() {
    let text = "eval 'trap \"label e\" ERR; false' || label or; false";
    check(&[Bash], text, "e or e");
    check(&[Ksh93, Zsh], text, "or e");
    let back = "trap 'label a' ERR; eval \"trap 'label b' ERR\" || :; false";
    check(&[Bash], back, "a");
    check(&[Ksh93, Mksh, Zsh], back, "b");
}

#[test]
fn the_body_of_a_function_fails_inside_the_function() {
    let text = "trap 'label e' ERR; f() (exit 3); f; label $?";
    check(&[Bash], text, "e 3");
    check(&[Ksh93], text, "e e 3");
    check(&[Mksh, Zsh], text, "e 3");
    check(&[Zsh], "set -e; trap 'label e' EXIT; f() (exit 3); f", "");
}

#[test]
fn a_return_that_is_asked_for_spares_its_call_in_ksh93() {
    let text = "set -e; f() { return 3 || :; }; f; label $?";
    check(&[Ksh93], text, "3");
    check(&[Bash, Dash, Mksh, Zsh], text, "");
}

#[test]
fn mistakes_are_failures_for_the_action_of_mksh() {
    check(&[Mksh], "set -e; trap 'label e $?' ERR; shift 9; label no", "e,1");
    check(&[Mksh], "set -e; trap 'label e' ERR; trap 'label x' EXIT; shift 9", "x");
}

#[test]
fn too_many_arguments_leave_the_status_of_bash() {
    check(&[Bash], "(exit 3); exit 1 2\nlabel $?\n:; exit 1 2\nlabel $?", "3 1");
}

#[test]
fn an_action_that_exit_has_left_is_not_carried_out_again() {
    let text = "trap 'label t; false; label u' EXIT; trap 'label a; exit 3' ERR; false";
    check(&[Bash, Ksh93, Mksh, Zsh], text, "a t u");
    let again =
        "trap 'label t; false; label u' EXIT; trap 'label a; exit 3' USR1; kill -USR1 $$; label no";
    check(&[Bash], again, "a t u");
}

#[test]
fn the_program_that_ends_a_function_takes_the_place_of_a_substitution_of_bash() {
    let text = "f() { trap 'label t' EXIT; label in; }; x=$(f); label m; x=$(f; :)";
    check(&[Bash], text, "in m in t");
    check(&[Dash, Busybox, Mksh], text, "in t m in t");
}

#[test]
fn getopts_finishes_the_word_of_bash_when_optind_moves() {
    let text = "set -- -abc -x; getopts abc o; OPTIND=2; getopts abc o; label $o $OPTIND";
    check(&[Bash], text, "b,2");
    check(&[Dash, Mksh], text, "?,3");
}

#[test]
fn optind_tells_the_place_in_mksh_whatever_it_is_given() {
    let text = "OPTIND=5; OPTIND=0; label $OPTIND; unset OPTIND; label \"$OPTIND\"";
    check(&[Mksh], text, "5 5");
    check(&[Bash], text, "0 ");
}

#[test]
fn optarg_that_has_been_unset_stays_so_in_zsh() {
    let text = "unset OPTARG; getopts a: o -ax; label ${OPTARG-u}; OPTARG=y; getopts a: o -ab -az; label $OPTARG";
    check(&[Zsh], text, "u z");
    check(&[Bash], "unset OPTARG; getopts a: o -ax; label ${OPTARG-u}", "x");
}

#[test]
fn long_names_of_options_are_no_letters_in_ksh93() {
    let text = "getopts 'a(xy)b' o -x; label $o; OPTIND=1; getopts 'a b' o -b; label $o";
    check(&[Ksh93], text, "? ?");
    check(&[Bash], text, "x b");
}
