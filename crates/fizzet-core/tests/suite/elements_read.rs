//! Elements that reading makes in ksh93, and arrays that asking makes in mksh.

use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use crate::checked::{check, told};

const KSH93: &[Shell] = &[Shell::Ksh93];

/// Checks what ksh93 makes of a line, and bash.
fn differs(line: &str, ksh93: &str, bash: &str) {
    assert_eq!(told(Shell::Ksh93, line), ksh93, "ksh93: {line}");
    assert_eq!(told(Shell::Bash, line), bash, "bash: {line}");
}

#[test]
fn an_element_that_is_read_in_an_expression_counts_in_ksh93() {
    let line = "a=(1 2); : $((a[4])); label ${#a[@]} \"${!a[@]}\" \"${a[@]}\"";
    differs(line, "3,0,1,1,2", "2,0,1,1,2");
    // Without gaps it is in the list as well.
    let line = "a=(1 2); ((a[2])); label ${#a[@]} \"${!a[@]}\" \"${a[@]}\" end";
    differs(line, "3,0,1,2,1,2,,end", "2,0,1,1,2,end");
    let line = "typeset -A h; ((h[k])); label ${#h[@]} \"${!h[@]}\" ${h[k]+set}";
    differs(line, "1,k,set", "0");
}

#[test]
fn what_is_not_evaluated_makes_nothing() {
    for expression in ["0 && a[5]", "1 || a[5]", "1 ? 2 : a[5]"] {
        let line = format!("a=(1 2); : $(({expression})); label ${{#a[@]}}");
        differs(&line, "2", "2");
    }
    differs("a=(1 2); : ${a[7]} ${a[8]-x}; label ${#a[@]}", "2", "2");
}

#[test]
fn the_first_element_of_what_is_no_array_is_made_where_the_expression_goes_on() {
    for (expression, count) in [("a[0]", "0"), ("1+a[0]", "0"), ("a[0]+1", "1"), ("a[0] ", "1")] {
        differs(&format!(": $(({expression})); label ${{#a[@]}}"), count, "0");
    }
}

#[test]
fn such_an_element_is_set_for_all_but_those_who_ask() {
    let line = "a=(1 2); : $((a[4])); label \"${a[4]-none}\" \"${a[4]+set}\" \"${a[4]:-none}\"";
    differs(line, ",,none", "none,,none");
    let line = "a=(1 2); : $((a[4])); label \"${a[4]=new}\" \"${a[4]:=new}\" ${#a[@]}";
    differs(line, ",new,3", "new,new,3");
}

#[test]
fn a_text_whose_element_is_asked_for_is_told_as_an_array_by_mksh() {
    let line = "a=5; : ${a[1]}; label \"$(typeset -p a)\"; label \"$a\" ${#a[@]}";
    assert_eq!(told(Shell::Mksh, line), "set -A a\ntypeset a[0]=5 5,1");
}

#[test]
fn names_that_were_asked_for_can_be_taken_away() {
    let arrays = "a=(1 2); label ${a[1][0]} \"${a[1][1]-none}\"";
    assert_eq!(told(Shell::Ksh93, arrays), "2,none");
    let line = "alias nosuch; unalias nosuch; label $?; unalias nosuch; label $?";
    check(line, &[(KSH93, "0 1")], "1 1");
    let line = "readonly n=1 n=2; label $n; n=3; label no";
    assert_eq!(told(Shell::Ksh93, line), "2");
}

proptest! {
    #[test]
    fn the_count_is_that_of_all_places_that_were_read_or_assigned(
        values in prop::collection::vec(1u8..9, 0..4),
        read in prop::collection::vec(1usize..9, 0..5),
    ) {
        let list: Vec<String> = values.iter().map(u8::to_string).collect();
        let reads: Vec<String> = read.iter().map(|at| format!("s+a[{at}]")).collect();
        let line = format!(
            "a[0]=q; a=(q {}); s=0; : $((0{})); label ${{#a[@]}}",
            list.join(" "),
            reads.iter().map(|one| format!(", {one}")).collect::<String>(),
        );
        let mut places: Vec<usize> = (0..=values.len()).chain(read.iter().copied()).collect();
        places.sort_unstable();
        places.dedup();
        prop_assert_eq!(told(Shell::Ksh93, &line), places.len().to_string(), "{}", line);
        prop_assert_eq!(told(Shell::Bash, &line), (values.len() + 1).to_string(), "{}", line);
    }
}
