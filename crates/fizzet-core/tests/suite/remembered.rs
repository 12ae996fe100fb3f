//! What a shell keeps between commands: masks, programs it has found, variables saved for a command; and indexes
//! and modifiers that are read again.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

#[test]
fn masks_copy_rights_where_the_shell_has_that() {
    let line = "umask 027; umask g=u,o=g; label $? $(umask)";
    let named: [(&[Shell], &str); 5] = [
        (&[Bash], "1,0027"),
        (&[Busybox], "0,0000"),
        (&[Ksh93], "1,0027"),
        (&[Mksh], "0,002"),
        (&[Zsh], "1,027"),
    ];
    check(line, &named, "0,0002");
    check(
        "umask 077; umask +x; label $(umask)",
        &[(&[Busybox], "0077"), (&[Mksh, Zsh], "066")],
        "0066",
    );
}

#[test]
fn numbers_behind_the_options_of_read_are_looked_at() {
    let line = "echo abc | { read -n x v; label $? \"$v\"; }";
    check(line, &[(&[Bash], "1,"), (&[Zsh], "0,")], "2,");
    check(
        "echo abc | { read -n 0 v; label $? $v; }",
        &[(&[Bash, Ksh93], "0"), (&[Mksh], "1"), (&[Busybox], "0,abc"), (&[Zsh], "0")],
        "2",
    );
}

#[test]
fn lists_that_an_empty_ifs_joins_are_empty() {
    let line = "set -- '' ''; IFS=; label \"${*:+x}\" \"${@:+x}\"";
    check(line, &[(&[Bash, Mksh, Zsh], ",x"), (&[Dash, Busybox, Ksh93], ",")], "x,x");
}

#[test]
fn indexes_of_lists_are_read_again_in_bash() {
    let bash = |line: &str| told(Bash, line);
    assert_eq!(bash("a=([\"b'b\"]=x y); label \"${a[@]}\""), "[b'b]=x,y");
    assert_eq!(bash("k='1]=q'; a=([$k]=x y); label \"${a[@]}\" ${!a[@]}"), "q]=x,y,1,2");
    assert_eq!(bash("k=3; a=(['$k']=x y); label ${!a[@]}"), "3,4");
    assert_eq!(bash("a=(p q [-1]=r s); label \"${a[@]}\""), "p,r,s");
    assert_eq!(bash("a=(p [-9]=r s); label $? \"${a[@]}\""), "0,p,s");
    assert_eq!(bash("set -e; a=(p [-9]=r s); label after"), "");
}

#[test]
fn a_length_does_not_look_at_the_index_of_what_is_unset() {
    assert_eq!(told(Bash, "label ${#w[i++]} ${w[i++]} $i"), "0,1");
    assert_eq!(told(Ksh93, "label ${#w[i++]} $i"), "0,1");
}

#[test]
fn what_values_before_a_command_assign_is_saved_as_each_shell_does() {
    let line = "x=1 y=$((x=5)) true; label ${x-u}";
    check(line, &[(&[Bash, Mksh], "5")], "u");
    check("x=0; x=$((x=6)) true; label $x", &[(&[Zsh], "0")], "6");
}

#[test]
fn forgotten_utilities_are_programs() {
    assert_eq!(
        told(Bash, "enable -n cd; type cd; label $?; enable cd; type -t cd; label $?"),
        "1 0"
    );
    assert_eq!(told(Zsh, "disable cd; whence cd; label $?; enable cd; whence cd; label $?"), "1 0");
    assert_eq!(told(Bash, "enable nosuch; label $?"), "1");
    assert_eq!(told(Bash, "(enable -n cd); type -t cd; label $?"), "0");
}

#[test]
fn programs_are_remembered_where_hash_tells_of_them() {
    assert_eq!(
        told(Bash, "hash -p /x y; hash -t y; label $?; hash -r; hash -t y; label $?"),
        "0 1"
    );
    assert_eq!(told(Bash, "hash -p /x y; PATH=$PATH; hash -t y; label $?"), "1");
    assert_eq!(
        told(Bash, "(hash -p /x y); hash -t y; label $?; label \"$(hash -p /x y; hash -t y)\""),
        "1 /x"
    );
}

#[test]
fn modifiers_expand_what_they_put_in() {
    let zsh = |line: &str| told(Zsh, line);
    assert_eq!(zsh("a='aa b'; b=d; label $a:gs/a/${b}/"), "dd b");
    assert_eq!(zsh("a=xay; label ${a:s/a/$b/}z"), "xz");
    assert_eq!(
        zsh("a=xay; label \"${a:s/a/$b/}\" ${a:s/a/'q r'/} ${a:s/a/\\&/}"),
        "x$by,xq ry,x&y"
    );
}

#[test]
fn searches_of_subscripts_begin_where_they_are_told() {
    let line = "a=(j1 k1 j2 k2); label $a[(n:2:i)j*] $a[(b:2:i)j*] $a[(b:2:I)j*] $a[(n:9:i)j*]";
    assert_eq!(told(Zsh, line), "3,3,1,5");
}

#[test]
fn idle_commands_keep_a_status_in_ksh93() {
    check("for i in $(exit 4); do :; done; label $?", &[(&[Ksh93], "4")], "0");
    check("case $(exit 4) in jar) ;; esac; label $?", &[(&[Ksh93], "4")], "0");
}

#[test]
fn brackets_close_inside_of_groups_in_ksh93() {
    assert_eq!(told(Ksh93, "label *(a|b[)"), "");
    assert_eq!(told(Ksh93, "label \"x\" *([)])"), "");
    assert_eq!(told(Ksh93, "label *([a])"), "*([a])");
}

#[test]
fn reserved_words_in_a_row_need_separators_in_zsh() {
    check("if :; then if :; then label a; fi fi", &[(&[Zsh], "")], "a");
    check("{ if :; then label a; fi }", &[], "a");
}

/// Which rights a clause names, and the mask before it.
fn clause() -> impl Strategy<Value = (u32, char, String, u32)> {
    let letters = proptest::sample::subsequence(vec!['r', 'w', 'x'], 0..=3);
    let sign = prop_oneof![Just('+'), Just('-'), Just('=')];
    (0..8u32, sign, letters.prop_map(|letters| letters.into_iter().collect()), 0..0o1000u32)
}

proptest! {
    /// A clause for one of the three changes what it names and nothing else, in every shell.
    #[test]
    fn a_clause_changes_its_rights((_, sign, letters, mask) in clause(), whose in 0..3usize) {
        let name = ["u", "g", "o"][whose];
        let named = letters.chars().map(|one| match one { 'r' => 4, 'w' => 2, _ => 1 }).sum::<u32>();
        let shift = [6, 3, 0][whose];
        let before = !mask >> shift & 7;
        let after = match sign { '+' => before | named, '-' => before & !named, _ => named };
        let expected = !((!mask & !(7 << shift)) | after << shift) & 0o777;
        let line = format!("umask {mask:o}; umask {name}{sign}{letters}; label $(umask)");
        for shell in Shell::ALL {
            let shown = told(shell, &line);
            prop_assert_eq!(u32::from_str_radix(&shown, 8).ok(), Some(expected), "{}: {}", shell, line);
        }
    }

    /// The elements of a list come whole, whatever their indexes are.
    #[test]
    fn lists_take_any_index(index in "[]\\[a1'\"\\\\$`+ -]{0,8}") {
        for shell in [Bash, Ksh93, Mksh, Zsh] {
            told(shell, &format!("a=([{index}]=jar lid); label \"${{a[@]}}\""));
        }
    }

    /// Modifiers take any text, and leave a value alone in which they find nothing.
    #[test]
    fn modifiers_take_any_text(to in "[ab$`'\"\\\\&{}*~ ]{0,8}") {
        prop_assert_eq!(told(Zsh, "a=lid; label ${a:s/q/x/}"), "lid");
        told(Zsh, &format!("a=jar; label ${{a:s/a/{to}/}}"));
        told(Zsh, &format!("a=jar; label $a:s/a/{to}/"));
    }

    /// What `test -v` and `[[ -v` are asked ends, whatever the index is.
    #[test]
    fn any_index_can_be_asked_for(index in "[]\\[a1'\"\\\\$`+@* -]{0,8}") {
        for shell in [Posix, Bash, Ksh93, Mksh, Zsh] {
            told(shell, &format!("a=(1 2); [[ -v a[{index}] ]]; test -v 'a[{}]'", index.replace('\'', "")));
        }
    }
}

#[test]
fn values_fill_fields_as_each_shell_has_them() {
    let line = "typeset -Z4 c; c=' 7'; label \"<$c>\"";
    for (shell, expected) in [(Ksh93, "<0007>"), (Mksh, "<00 7>"), (Zsh, "< 007>")] {
        assert_eq!(told(shell, line), expected, "{shell}");
    }
    assert_eq!(told(Zsh, "typeset -RZ4 c; c=7; label \"<$c>\""), "<7>");
    assert_eq!(told(Zsh, "typeset -LZ4 c; c=007; label \"<$c>\""), "<7   >");
}

#[test]
fn jumps_in_the_action_of_a_function_leave_its_caller() {
    let line = "function g { trap 'return 3' EXIT; return 2; }
        function h { g; label in; }; h; label $?";
    for shell in [Ksh93, Zsh] {
        assert_eq!(told(shell, line), "3", "{shell}");
    }
}

#[test]
fn wrong_uses_end_the_posix_mode_of_bash_where_set_e_would() {
    assert_eq!(told(Bash, "set -o posix; set -Z; label b"), "");
    assert_eq!(told(Bash, "set -o posix; set -Z || label b"), "b");
    assert_eq!(told(Bash, "set -o posix; readonly r; export r=1 || label b"), "");
    assert_eq!(told(Bash, "set -Z; label b"), "b");
}

#[test]
fn repeated_modifiers_stand_before_one_another_up_to_a_limit() {
    let many = "f".repeat(100_000);
    assert_eq!(told(Zsh, &format!("x=a.b.c; label ${{x:{many}r}}")), "");
    assert_eq!(told(Zsh, "x=a.b.c; label ${x:ffr}"), "a");
}

#[test]
fn shortest_replacements_of_long_values_take_no_longer_than_others() {
    let line = "x=ab; for i in {1..16}; do x=$x$x; done; y=${(S)x//?*/q}; label ${#y}";
    assert_eq!(told(Zsh, line), "131072");
}
