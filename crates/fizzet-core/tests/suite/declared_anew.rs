//! Variables that are declared anew, and those that stand for others while a function is called.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Zsh};
use proptest::prelude::*;

const WITH_TYPESET: [Shell; 4] = [Bash, Ksh93, Mksh, Zsh];

#[test]
fn typeset_of_ksh93_takes_export_and_field_away() {
    let line = "export jar=1; typeset jar=2; label \"$(typeset -p jar)\"";
    assert_eq!(told(Ksh93, line), "jar=2");
    let line = "typeset -Z4 jar=1; typeset jar=2; label $jar; typeset -Z3 jar=2; label $jar";
    assert_eq!(told(Ksh93, line), "2 002");
    let line = "typeset -u jar=a; typeset jar=b; label $jar";
    for shell in WITH_TYPESET {
        assert_eq!(told(shell, line), "B", "{shell}");
    }
}

#[test]
fn taking_back_makes_no_variable_of_the_function_in_ksh93() {
    let line = "function f { typeset +x jar; label ${jar-none}; jar=2; }; jar=1; f; label $jar";
    assert_eq!(told(Ksh93, line), "1 2");
    assert_eq!(told(Bash, line), "none 1");
}

#[test]
fn the_outermost_variable_is_meant_from_inside_of_functions() {
    let line = "function f { typeset jar=l; g; label $jar; }; function g { typeset -g jar=g; }; jar=1; f; label $jar";
    assert_eq!(told(Ksh93, line), "l g");
    assert_eq!(told(Bash, line), "l g");
    assert_eq!(told(Mksh, line), "g 1");
}

#[test]
fn a_frozen_variable_before_a_call_ends_ksh93() {
    let text = "readonly jar=1; function f { label in; }; jar=2 f; label after";
    assert_eq!(told(Ksh93, text), "");
    assert_eq!(told(Bash, text), "in after");
}

#[test]
fn what_is_exported_inside_goes_to_the_variable_outside_in_bash() {
    let line = "typeset -u jar=a; f() { export jar; jar=b; }; jar=t f; label $jar";
    assert_eq!(told(Bash, line), "B");
    let line = "jar=1; f() { export jar; local jar=l; }; jar=t f; label $jar";
    assert_eq!(told(Bash, line), "l");
    let line = "jar=1; f() { export jar; unset jar; label $jar; }; jar=t f; label $jar";
    assert_eq!(told(Bash, line), "1 1");
}

#[test]
fn lists_make_arrays_of_the_kind_that_is_said() {
    let line = "typeset -A a; a[k]=v; f() { local a=(\"$@\"); label \"${a[@]}\"; }; f 'lid jar' b; label ${a[k]}";
    assert_eq!(told(Bash, line), "lid jar,b v");
    let line = "typeset -A a; a[k]=v; typeset -x a=(lid jar); label ${!a[@]} ${a[@]}";
    assert_eq!(told(Ksh93, line), "0,1,lid,jar");
}

#[test]
fn lengths_under_set_u_mind_what_is_no_array() {
    let line = "set -u; a=lid; label ${#a[0]}; label after";
    assert_eq!(told(Bash, line), "");
    assert_eq!(told(Ksh93, line), "3 after");
    let line = "set -u; typeset -a a; label ${#a[@]}; a=(); label ${#a[@]}";
    assert_eq!(told(Bash, line), "");
    assert_eq!(told(Bash, "set -u; a=(); label ${#a[@]}"), "0");
}

#[test]
fn commas_are_characters_of_keys_and_places_start_at_one() {
    let line = "typeset -A a; a=(lid 1 jar 2); label \"${a[lid,jar]}\" \"${a[1,2]}\"";
    assert_eq!(told(Zsh, line), ",");
    assert_eq!(told(Zsh, "a=lid; label ${a[0]-none} ${a[1]-none} ${a[1,2]}"), "none,l,li");
}

#[test]
fn operators_of_ksh93_may_be_quoted() {
    for operator in ["\\<", "'<'", "\"!=\"", "'-lt'"] {
        let line = format!("[[ 1 {operator} 2 ]]; label $?");
        assert_eq!(told(Ksh93, &line), "0", "{operator}");
        assert_eq!(told(Bash, &line), "", "{operator}");
    }
}

#[test]
fn copies_onto_themselves_are_nothing_where_the_shell_looks() {
    check("f() { :; }; f 7>&7; label $?", &[(&[Bash, Dash, Busybox], "0")], "1");
}

proptest! {
    /// A sum stays as it is written where `typeset` makes text of the number, and is worked out everywhere else.
    #[test]
    fn sums_stay_text_in_ksh93_only(numbers in prop::collection::vec(1i64..100, 1..4)) {
        let written: Vec<String> = numbers.iter().map(i64::to_string).collect();
        let written = written.join("+");
        let line = format!("typeset -i jar=3; typeset jar={written}; label \"$jar\"");
        let sum = numbers.iter().sum::<i64>().to_string();
        for shell in WITH_TYPESET {
            let expected = if shell == Ksh93 { &written } else { &sum };
            prop_assert_eq!(&told(shell, &line), expected, "{}", shell);
        }
    }

    /// The last value inside is the one outside, worked out as the variable outside has it.
    #[test]
    fn the_last_value_inside_is_passed_on(values in prop::collection::vec(0i64..50, 1..5), whole in any::<bool>()) {
        let outside = if whole { "typeset -i jar" } else { "jar=" };
        let steps: String = values.iter().map(|value| format!("jar={value}+1; ")).collect();
        let line = format!("{outside}; f() {{ export jar; {steps}}}; jar=t f; label \"$jar\"");
        let last = values.last().copied().unwrap_or_default();
        let expected = if whole { (last + 1).to_string() } else { format!("{last}+1") };
        prop_assert_eq!(told(Bash, &line), expected);
    }
}
