//! Ranges of elements in ksh93, and lists without elements that become arrays.

use crate::labels::labels;
use fizzet_core::dialect::Shell;

/// What a text tells: words with commas between them, commands with spaces.
fn told(text: &str) -> String {
    let all = labels(Shell::Ksh93, text, &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

#[test]
fn ranges_name_the_elements_between_two_indexes() {
    for (range, expected) in [
        ("\"${x[1..2]}\"", "b,c d"),
        ("${x[1..2]}", "b,c,d"),
        ("\"${x[..1]}\"", "a,b"),
        ("\"${x[2..]}\"", "c d"),
        ("\"${x[-2..-1]}\"", "c d,e"),
        ("\"${x[i..i+1]}\"", "b,c d"),
        ("\"${x[3..1]}\"", "e"),
        ("${x[7..9]} end", "end"),
        ("\"p${x[0..1]}s\"", "pa,bs"),
        ("${!x[1..2]}", "1,2"),
    ] {
        assert_eq!(told(&format!("x=(a b 'c d' e); i=1; label {range}")), expected, "{range}");
    }
}

#[test]
fn keys_are_compared_as_texts() {
    let hives = "typeset -A h=([ada]=1 [bee]=2 [cleo]=3)";
    for (range, expected) in [("ada..bee", "1,2"), ("b..z", "2,3"), ("..b", "1"), ("x..z", "")] {
        assert_eq!(told(&format!("{hives}; label ${{h[{range}]}}")), expected, "{range}");
    }
    assert_eq!(told(&format!("{hives}; h[a..b]=4; k=a..b; label ${{h[$k]}}")), "4");
}

#[test]
fn an_index_makes_an_array_of_a_list_without_elements() {
    assert_eq!(told("s=(); ((s[0] > 5)); s[1]=5; label \"${s[@]}\"; label $((s[9]+1))"), ",5 1");
    assert_eq!(told("s=(); s[0]+=1; label \"${s[@]}\""), "1");
    assert_eq!(told("s=(); s[1]=5; label \"${s[@]}\" ${#s[@]}"), "5,1");
}
