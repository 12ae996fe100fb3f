//! Where going through an array goes on, what braces make of assignments, and the numbers of `mapfile`.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Zsh};

#[test]
fn a_counted_array_begins_again_in_ksh93() {
    let line = "a=(jar lid hive); label \"${a[@]:0:${#a[@]}}\" \"${a[@]:1:${#a[@]}}\"";
    assert_eq!(told(Ksh93, line), "jar,jar,lid,lid,hive");
    assert_eq!(told(Bash, line), "jar,lid,hive,lid,hive");
    let line = "a=(jar lid hive); label \"${a[@]#${a[1]}}\"";
    assert_eq!(told(Ksh93, line), "jar,hive");
    assert_eq!(told(Bash, line), "jar,,hive");
}

#[test]
fn an_array_that_is_gone_through_without_an_end_has_a_limit() {
    assert_eq!(told(Ksh93, "a=(jar lid); label \"${a[@]/lid/${a[0]}}\"; label b"), "");
}

#[test]
fn a_word_that_braces_make_looks_like_no_assignment() {
    let line = "HOME=/hives; label a=~/{b,c} a=~/{b}";
    assert_eq!(told(Bash, line), "a=~/b,a=~/c,a=/hives/{b}");
    assert_eq!(told(Bash, "HOME=/hives; label ~:~/{b,c}"), "/hives:~/b,/hives:~/c");
}

#[test]
fn mapfile_minds_its_numbers() {
    for wrong in ["-n x", "-s -1", "-c 0", "-O 9999999999", "-u 7", "''", "1x"] {
        let line = format!("mapfile -t {wrong} l <<<jar; label $(($? > 0)) \"${{l[@]}}\"");
        assert_eq!(told(Bash, &line), "1", "{line}");
    }
    assert_eq!(told(Bash, "mapfile -t -s 1 -n 1 l <<<$'a\\nb\\nc'; label \"${l[@]}\""), "b");
}

#[test]
fn the_redirections_of_a_group_take_the_place_of_those_in_it() {
    let line = "{ (label jar) 2>/nosuch/file; } 2>&1";
    check(line, &[(&[Dash, Busybox], "jar")], "");
}

#[test]
fn an_action_for_errors_does_not_see_the_command_that_sets_it() {
    assert_eq!(told(Bash, "trap 'label err' ERR nosuch; label b"), "b");
    assert_eq!(told(Bash, "trap 'label err' ERR; trap : nosuch"), "err");
}

#[test]
fn loops_of_mksh_may_stand_in_braces() {
    let line = "while (( i++ < 2 )) { label $i; }";
    assert_eq!(told(Mksh, line), "1 2");
    assert_eq!(told(Zsh, line), "1 2");
    assert_eq!(told(Bash, line), "");
}

#[test]
fn functions_of_several_numbers_count_their_arguments() {
    assert_eq!(told(Ksh93, "label $((pow(2,10))) $((fmod(-7,3))) $((pow((2,3),2)))"), "1024,-1,9");
    assert_eq!(told(Ksh93, "label $((pow(2)))"), "");
    assert_eq!(told(Ksh93, "label $((pow(2,-16000) > 0)) $((pow(1,99999999)))"), "1,1");
}

#[test]
fn choices_of_prompts_leave_nothing_behind_and_have_a_limit() {
    assert_eq!(told(Zsh, "x='%(1?.abc%2<..<defg.jar)'; label ${(%)x}"), "jar");
    assert_eq!(told(Zsh, "x='ab%3<..<cdefg%(1?.%2<<h.i)'; label ${(%)x}"), "ab..i");
    let deep = "%(1?.".repeat(100_000);
    told(Zsh, &format!("x='{deep}'; label ${{(%)x}}"));
}

proptest! {
    /// A prompt ends, whatever it is.
    #[test]
    fn any_prompt_can_be_shown(prompt in "[-%(?.)<>0-9~c{}Fv1jlä]{0,24}") {
        told(Zsh, &format!("x='{prompt}'; label \"${{(%)x}}\""));
    }

    /// Nothing that is looked up while an array is gone through keeps it from ending.
    #[test]
    fn any_element_can_be_looked_up_in_between(index in "[0-4]|-[1-3]|#a\\[@\\]|i\\+\\+", by in "[#%/:]") {
        for shell in [Bash, Ksh93, Mksh, Zsh] {
            told(shell, &format!("a=(jar lid jar hive); label \"${{a[@]{by}${{a[{index}]}}}}\""));
        }
    }
}
