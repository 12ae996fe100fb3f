//! Where an expression, an index or a number ends before its text does, and what a quote hides of its end.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Posix, Zsh};
use proptest::prelude::*;

proptest! {
    /// A sign that is none of arithmetic ends an index in zsh, whatever stands behind it.
    #[test]
    fn signs_end_indexes(
        at in 1usize..6,
        sign in prop::sample::select(vec![";", "@", "{", "'"]),
        behind in "[a-z0-9 ]{0,4}",
    ) {
        let plain = format!("hives=(a b c d e); label \"${{hives[{at}]}}\"");
        let line = format!("hives=(a b c d e); label \"${{hives[{at}{sign}{behind}]}}\"");
        prop_assert_eq!(told(Zsh, &line), told(Zsh, &plain), "{}", line);
    }

    /// Only the last 32 bits of an index count in zsh.
    #[test]
    fn long_indexes_come_round(at in 1i64..6, turns in 0i64..1000) {
        let plain = format!("hives=(a b c d e); label \"${{hives[{at}]}}\"");
        let far = at + (turns << 32);
        let line = format!("hives=(a b c d e); label \"${{hives[{far}]}}\"");
        prop_assert_eq!(told(Zsh, &line), told(Zsh, &plain), "{}", line);
    }

    /// A number that a redirection follows is its descriptor, even where it is the name of an alias.
    #[test]
    fn descriptors_are_no_aliases(descriptor in 1u8..10, redirection in prop::sample::select(vec![">&1", "<&-", ">&-"])) {
        let aliased = format!("alias {descriptor}='label no'\neval '{descriptor}{redirection} label jar'");
        for shell in Shell::ALL {
            let options = if shell == Bash { "shopt -s expand_aliases\n" } else { "" };
            let line = format!("{options}{aliased}");
            prop_assert_eq!(told(shell, &line), "jar", "{}: {}", shell, line);
        }
    }

    /// A precision with a dash leaves the conversion as it is in bash, with a length of its own.
    #[test]
    fn dashed_precisions_are_shown(width in 1usize..20, precision in 0usize..20) {
        let line = format!("printf -v jars '%{width}.-{precision}d' 5; label \"$jars\"");
        prop_assert_eq!(told(Bash, &line), format!("%{width}.0-{precision}ld"));
    }
}

#[test]
fn comments_take_the_end_of_expressions_away_in_bash() {
    check("label $((1 #2)) || label or; label more", &[(&[Ksh93], "2 more")], "");
    check("set -e; label $((16#ff)) $((3 + 4))", &[(&[Dash, Posix], "")], "255,7");
}

#[test]
fn a_digit_and_a_divided_sign_vanish_in_ksh93() {
    check("label $((8 #7)) $((1 # 12)) $((2 #5+1))", &[(&[Ksh93], "7,12,6")], "");
}

#[test]
fn an_at_sign_is_nine_in_busybox() {
    check("label $((16#@)) $((36#z@))", &[(&[Busybox], "9,1269")], "");
}

#[test]
fn single_quotes_hide_ends() {
    assert_eq!(told(Bash, "label \"${x:1'}'0}\" b"), ",b");
    assert_eq!(told(Ksh93, "label $((')')); label b"), "41 b");
}

#[test]
fn words_of_three_dashes_are_operands_in_ksh93() {
    let status = |shell, utility: &str| told(shell, &format!("{utility} ---; label $?"));
    for utility in ["pwd", "print", "printf"] {
        assert_eq!(status(Ksh93, utility), "0", "{utility}");
    }
}

#[test]
fn groups_count_where_case_changes() {
    check("jar=lime; label \"${jar^^@(l|m)}\" \"${jar^?(l)}\"", &[(&[Bash], "LiMe,Lime")], "");
}

#[test]
fn infinities_are_padded_with_blanks() {
    let line = "label \"$(printf '%08.1f' inf)\"";
    for shell in [Bash, Dash, Busybox, Ksh93] {
        assert_eq!(told(shell, line), "     inf", "{shell}");
    }
}
