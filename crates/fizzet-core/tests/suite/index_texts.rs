//! Indexes whose end is looked for anew in their text, as zsh does it.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{Bash, Zsh};

/// What a line gives in zsh where `h` is an associative array.
fn zsh(line: &str) -> String {
    told(Zsh, &format!("typeset -A h; {line}; label \"${{(kv)h[@]}}\""))
}

#[test]
fn quotes_belong_to_a_key_and_hide_no_bracket() {
    assert_eq!(zsh("h['hive']=1"), "'hive',1");
    assert_eq!(zsh("h[\"a[b]\"]=1"), "\"a[b]\",1");
    // The first bracket ends the index, and what follows is no assignment.
    assert_eq!(zsh("h[\"]\"]=1"), "");
    assert_eq!(zsh("h['(']=1"), "");
    assert_eq!(zsh("h['x\"y']=1"), "'x\"y',1");
}

#[test]
fn a_backslash_takes_the_meaning_of_a_bracket() {
    assert_eq!(zsh("h[\\]]=1"), "],1");
    assert_eq!(zsh("h['a\\b']=1"), "'a\\b',1");
    assert_eq!(told(Zsh, "typeset -A h; h=(']' jar); label ${h[\\]]} \"$h[\\]]\""), "jar,jar");
}

#[test]
fn signs_pair_up_inside_expansions_too() {
    assert_eq!(zsh("h[${x:-(}]=1"), "(,1");
    assert_eq!(zsh("h[${x:-\"]\"}]=1"), "],1");
    assert_eq!(zsh("h[${x:-[}]=1"), "");
    assert_eq!(zsh("h[$(label2 ')')]=1"), "");
}

#[test]
fn what_is_read_or_tested_ends_at_the_same_place() {
    assert_eq!(told(Zsh, "typeset -A h; label a; label ${h[')']}; label b"), "a");
    assert_eq!(told(Zsh, "typeset -A h; k='x]b'; h[$k]=1; [[ -v h[$k] ]]; label $?"), "1");
    assert_eq!(told(Zsh, "typeset -A h; k='['; h[$k]=1; [[ -v h[$k] ]]; label $?"), "");
    assert_eq!(told(Zsh, "typeset -A h; k=')'; (( h[$k]=1 )); label ${#h}"), "0");
    assert_eq!(told(Zsh, "typeset -A h; typeset 'h[a]b]=1'; label after"), "");
}

#[test]
fn the_first_bracket_ends_the_key_of_an_element_of_a_list() {
    assert_eq!(told(Zsh, "b=(1 2); a=([b[1]]=lime); label after"), "");
    assert_eq!(told(Zsh, "b=(1 2); a=([1+1]=lime); label \"${a[@]}\""), ",lime");
    assert_eq!(told(Zsh, "a=([1]=lime $none dark); label \"${a[@]}\""), "lime,,dark");
}

#[test]
fn the_brace_ends_an_index_of_bash() {
    check("label ${m[1}; label after", &[(&[], "")], &told(Bash, "label ${m[1}"));
    assert_eq!(told(Bash, "label lime; label ${m[1}; label b]} c"), "lime");
    assert_eq!(told(Bash, "label \"${#m[@}; f]}\""), "0");
}
