//! Modules of zsh, and the functions of expressions that one of them has.

use crate::labels::labels;
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

/// What a text tells: words with commas between them, commands with spaces.
fn told(text: &str) -> String {
    let all = labels(Shell::Zsh, text, &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

#[test]
fn functions_are_there_once_their_module_is_loaded() {
    assert_eq!(told("label $((sqrt(4)))"), "");
    for (expression, value) in [
        ("sqrt(16)", "4."),
        ("abs(-3)", "3"),
        ("abs(-3.5)", "3.5"),
        ("int(-3.7)", "-3"),
        ("floor(-1.2)", "-2."),
        ("float(3)", "3."),
        ("hypot(3,4)", "5."),
        ("atan(0,-2) > 3", "1"),
        ("ilogb(8)", "3"),
        ("isnan(1)", "0"),
        ("ldexp(1,3)", "8."),
        ("int(sqrt(2)*100)", "141"),
    ] {
        let text = format!("zmodload zsh/mathfunc; label $(({expression}))");
        assert_eq!(told(&text), value, "{expression}");
    }
    for refused in ["sqrt()", "sqrt(1,2)", "nosuch(1)", "pow(2,3)"] {
        assert_eq!(told(&format!("zmodload zsh/mathfunc; label $(({refused}))")), "", "{refused}");
    }
}

#[test]
fn modules_are_loaded_and_unloaded() {
    let text = "zmodload -e zsh/mathfunc; label $?; zmodload zsh/mathfunc; label $?; zmodload -e zsh/mathfunc; label $?;
        zmodload -u zsh/mathfunc; label $?; zmodload zsh/nosuch; label $?; zmodload -e zsh/main; label $?";
    assert_eq!(told(text), "1 0 0 0 1 0");
}

proptest! {
    /// What is cut to a whole number is what C's division gives.
    #[test]
    fn whole_numbers_are_cut(number in -1000i64..1000, by in 1i64..50) {
        let text = format!(
            "zmodload zsh/mathfunc; label $((int({number}.0/{by}))) $((abs({number}))) $((floor({number}))) $(({number}/{by}))"
        );
        let all = told(&text);
        let expected = format!("{},{},{number}.,{}", number / by, number.abs(), number / by);
        prop_assert_eq!(all, expected, "{}", text);
    }
}
