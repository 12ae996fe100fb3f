//! What matches tell of themselves, words of texts as elements, and numbers that part once they are expanded.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Zsh};

/// What a line of zsh with `extendedglob` gives.
fn extended(line: &str) -> String {
    told(Zsh, &format!("setopt extendedglob; {line}"))
}

#[test]
fn groups_and_matches_are_kept_in_variables() {
    let line = "[[ hive-7 = (#b)(*)-(<->) ]]; label $match $mbegin $mend";
    assert_eq!(extended(line), "hive,7,1,6,4,6");
    assert_eq!(extended("x=jar; label ${x/(#m)a/<$MATCH>} $MBEGIN $MEND"), "j<a>r,2,2");
    assert_eq!(extended("x=a=b; label ${x/(#b)(?)=(?)/$match[2]=$match[1]}"), "b=a");
    assert_eq!(extended("case lid in (#b)(l)(x|)*) label \"${match[@]}\";; esac"), "l,");
    assert_eq!(extended("[[ lid = (#b)(x)* ]]; label \"${match-none}\""), "none");
    assert_eq!(told(Zsh, "[[ lid = (#b)(l)* ]]; label \"${match-none}\""), "none");
}

#[test]
fn letters_compare_as_the_pattern_says() {
    assert_eq!(extended("[[ LID = (#i)lid ]]; label $?; [[ LID = l(#i)id ]]; label $?"), "0 1");
    assert_eq!(extended("[[ LID = (#l)lid ]]; label $?; [[ lid = (#l)LID ]]; label $?"), "0 1");
    assert_eq!(
        extended("[[ lID = (#i)L(#I)ID ]]; label $?; [[ lid = (#i)L(#I)ID ]]; label $?"),
        "0 1"
    );
}

#[test]
fn a_match_of_nothing_is_replaced_where_order_counts() {
    assert_eq!(told(Zsh, "x=jar; label ${x/(|a)/-} ${x//(|a)/-} ${x##(j|ja)}"), "-jar,-j-a-r,ar");
    assert_eq!(told(Ksh93, "x=jar; label ${x##@(j|ja)}"), "r");
    assert_eq!(
        told(Zsh, "x=lids-lids; label ${(I:2:)x/lid/jar} ${(I:2:)x//i/-}"),
        "lids-jars,lids-l-ds"
    );
}

#[test]
fn words_of_a_text_are_elements_with_flags() {
    let line =
        "x='jar lid  hive'; label \"${x[(w)2]}\" \"${x[(w)-1]}\" \"${x[(wr)h*]}\" \"${x[(wi)h*]}\"";
    assert_eq!(told(Zsh, line), "lid,hive,hive,10");
    assert_eq!(
        told(Zsh, "x=a:b::c; label \"${x[(ws.:.)3]}\"; x[(ws.:.)2]=lid; label $x"),
        "c a:lid::c"
    );
    assert_eq!(told(Zsh, "x=$'jar 1\\nlid 2'; label \"${x[(f)2]}\""), "lid 2");
    assert_eq!(told(Zsh, "label ${(l<4><->):-} ${(r[3][x])a}"), "----,xxx");
}

#[test]
fn numbers_part_once_they_are_expanded() {
    let line = "x=abcdef; n=2:1; label ${x:$n}; label b";
    check(line, &[(&[Busybox, Ksh93], "c b")], "");
    assert_eq!(told(Ksh93, "x=abcdef; label a${x: -2}b ${x: 1 + 1}"), "a,-cdefb,1,+,bcdef");
    assert_eq!(told(Bash, "x=abcdef; label a${x: -2}b ${x: 1 + 1}"), "aefb,cdef");
    assert_eq!(told(Mksh, "x=abcdef; label ${x:1+'1'} ${x:!1}"), "");
    assert_eq!(told(Mksh, "x=abcdef; label ${x:1+'1'}"), "cdef");
}

#[test]
fn names_of_functions_are_words_in_zsh() {
    let line = "x=lid; f{1,2} $x() { label $0; }; f1; f2; lid";
    assert_eq!(told(Zsh, line), "f1 f2 lid");
    assert_eq!(told(Zsh, "if x=1 then label $x; fi; { y=2 }; label $y"), "1 2");
    assert_eq!(told(Dash, "x=1 then; label b"), "b");
}

#[test]
fn what_nothing_closes_in_a_word_is_a_bad_pattern_only_there() {
    assert_eq!(told(Zsh, "x=a(b c; label \"$x\""), "a(b c");
    assert_eq!(told(Zsh, "label a; label x(y; label b"), "a b");
}

#[test]
fn fields_of_numbers_take_the_width_of_what_is_assigned() {
    assert_eq!(told(Zsh, "typeset -iZ n=007; label $n; n=12; label $n"), "007 012");
    assert_eq!(told(Zsh, "integer n=5; typeset -Z n; n=66; label $n; n=7; label $n"), "66 07");
}

#[test]
fn lists_with_indexes_go_behind_texts_in_ksh93() {
    assert_eq!(told(Ksh93, "o=x; o+=([3]=y); label \"${o[@]}\" \"${!o[@]}\""), "x,y,0,3");
    assert_eq!(told(Ksh93, "o=(a b); o+=([5]=y); label \"${o[@]}\""), "a,b,[5]=y");
    assert_eq!(told(Bash, "o=(a b); o+=([5]=y); label \"${o[@]}\" \"${!o[@]}\""), "a,b,y,0,1,5");
}

#[test]
fn the_action_of_a_subshell_sees_the_script_in_busybox() {
    let line = "f() { (trap 'label \"$@\"' EXIT; :); }; set -- out; f own";
    assert_eq!((told(Busybox, line), told(Dash, line)), ("out".into(), "own".into()));
    let line = "(label a) </nosuch; label $?";
    assert_eq!((told(Busybox, line), told(Bash, line)), ("2".into(), "1".into()));
}
