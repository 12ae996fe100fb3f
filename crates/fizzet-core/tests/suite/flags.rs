//! Flags, subscripts and options of zsh, and what is kept of a match in mksh: what comes before what.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Ksh93, Mksh, Zsh};

#[test]
fn parts_are_ordered_and_filled_behind_the_splitting() {
    assert_eq!(told(Zsh, "x='c a b'; label ${(o)=x} ${(u)=:-c a c}"), "a,b,c,c,a");
    assert_eq!(told(Zsh, "x='c a b'; label ${(l:3:)=x} ${(C)=x}"), "  c,  a,  b,C,A,B");
}

#[test]
fn escapes_of_values_are_decoded_behind_the_change_of_case() {
    assert_eq!(told(Zsh, r"x='\u65\123'; label ${(g:o:)x} ${(g::)x}"), r"eS,e\123");
    assert_eq!(told(Zsh, r"x='a\tb'; label ${(g::U)x} ${(Ug::)x}"), r"A\TB,A\TB");
}

#[test]
fn ends_of_ranges_are_searched_for() {
    let line = "s=foobarbazboff; label $s[(r)b?r,(R)b?f] $s[(r)a,(R)a] \"$s[(r)x,5]\" $s[3,(r)b*]";
    assert_eq!(told(Zsh, line), "barbazbof,arba,,ob");
    assert_eq!(told(Zsh, "s='a bc def g'; label $s[(w)2,(w)3]"), "bc def");
    assert_eq!(told(Zsh, "s=foobarboff; s[(r)b,(R)b]=X; label $s"), "fooXoff");
}

#[test]
fn a_comma_in_a_word_separates_between_its_own_braces_only() {
    let line = "label {${k-a},${k-b,c}}";
    assert_eq!(told(Zsh, line), "a,b,c");
    assert_eq!(told(Zsh, "f() { label $#; }; f {${k-a},${k-b,c}}"), "2");
    assert_eq!(told(Zsh, "label ${k-x{a,b}y,z}"), "xay,z,xby,z");
}

#[test]
fn a_function_stays_in_the_emulation_that_it_was_defined_in() {
    let line = "emulate sh -c 'f() { x=\"a b\"; label $x; }'; f; x='a b'; label $x";
    assert_eq!(told(Zsh, line), "a,b a b");
}

#[test]
fn actions_that_are_local_come_back_with_their_functions() {
    let line =
        "f() { setopt localtraps; unfunction TRAPZERR; false; }; TRAPZERR() { label zerr; }; f";
    assert_eq!(told(Zsh, line), "zerr");
}

#[test]
fn a_loop_fills_as_many_names_as_there_are() {
    assert_eq!(told(Zsh, "for 1 2 in a b c; do label \"$1\" \"$2\"; done"), "a,b c,");
    let line = "setopt cshjunkieloops; eval 'for f in a b; label $f; end'";
    assert_eq!(told(Zsh, line), "a b");
}

#[test]
fn the_option_that_was_specified_last_is_looked_at_first() {
    let line = |options: &str| {
        format!("f() {{ local -a o; zparseopts -D -a o - {options}; label $o - $@; }}; f --hives 1")
    };
    assert_eq!(told(Zsh, &line("-hive: -hives")), "--hives,-,1");
    assert_eq!(told(Zsh, &line("-hives -hive:")), "--hive,s,-,1");
}

#[test]
fn a_match_is_kept_in_each_function_of_mksh() {
    let line = "f() { : \"${1%s}\"; label \"$KSH_MATCH\"; }; x=hive; : \"${x#h}\"; f jars; \
                label \"${KSH_MATCH-none}\"";
    check(line, &[(&[Mksh], "s h")], " none");
    let line = "x=n1n2n3; n=1; label ${x@/n$((n++))/[$KSH_MATCH]} $n";
    assert_eq!(told(Mksh, line), "[n1][n2][n3],5");
}

#[test]
fn what_is_done_with_the_name_of_a_list_is_done_with_its_value_in_bash() {
    let line = "declare -n r='a[1]'; a=(x yz); label \"${!r}\" \"${!r#y}\" \"${!r:-d}\"";
    assert_eq!(told(Bash, line), "a[1],z,a[1]");
}

proptest! {
    /// Any text can be decoded and any range be searched for, and brackets never stop the reader.
    #[test]
    fn flags_take_any_text(text in "[]\\[a1'\"\\\\$`^uxM0 -]{0,8}") {
        told(Zsh, &format!("x=$(cat <<'E'\n{text}\nE\n); label ${{(g:eco:)x}} $x[(r){text},(R)a]"));
        told(Zsh, &format!("x=lid; label $x[(r){text},(R){text}] ${{x-{text},{{a,b}}}}"));
        for shell in [Ksh93, Mksh] {
            told(shell, &format!("[[ x =~ a[{text}] ]]; label $((a[{text}])); (( a[{text} ))"));
        }
    }

    /// A replacement that is expanded anew comes to an end.
    #[test]
    fn replacements_come_to_an_end(text in "[ab*?@()|]{0,6}") {
        told(Mksh, &format!("x=abab; label \"${{x@/{text}/a$((n++))}}\""));
    }
}
