//! Operations on parameters: what holds for all values and patterns, and in which order everything is expanded.

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::walk;
use proptest::prelude::*;

/// The arguments of the last command of a line, behind its name; nothing if the line was not carried out to its end.
fn arguments(shell: Shell, line: &str, parameters: &[String]) -> Option<Vec<Vec<u8>>> {
    let mut state = State::new(Dialect::of(shell), SourceKind::Line, line.as_bytes());
    state.give_arguments(&parameters.iter().map(|one| one.as_bytes().to_vec()).collect());
    let trace = walk::line(state, Rc::new(Nowhere));
    let last = trace.commands.last()?;
    assert!(last.argv.iter().all(|text| text.runs().all(|(run, _)| run.origin.hops().count() > 0)));
    Some(last.argv[1..].iter().map(|text| text.bytes().to_vec()).collect())
}

fn texts(shell: Shell, line: &str) -> Vec<String> {
    let made = arguments(shell, line, &[]).unwrap_or_default();
    made.iter().map(|one| String::from_utf8_lossy(one).into_owned()).collect()
}

/// What each shell makes of a line: those that are named, and the rest.
fn check(line: &str, named: &[(&[Shell], &[&str])], others: &[&str]) {
    for shell in Shell::ALL {
        let own = named.iter().find(|(shells, _)| shells.contains(&shell));
        let expected = own.map_or(others, |(_, expected)| expected);
        assert_eq!(texts(shell, line), expected, "{shell}: {line}");
    }
}

#[test]
fn redirections_of_programs_change_nothing_where_a_child_makes_them() {
    use Shell::{Bash, Zsh};
    check("n=1; jar >&$((n=n+1)); label $n", &[(&[Bash, Zsh], &["1"])], &["2"]);
    check("n=1; jar <<E\n$((n=n+1))\nE\nlabel $n", &[(&[Bash, Zsh], &["1"])], &["2"]);
    check("n=1; command jar >&$((n=n+1)); label $n", &[(&[Bash, Zsh], &["1"])], &["2"]);
    check("n=1; (:) >&$((n=n+1)); label $n", &[(&[Bash, Zsh], &["1"])], &["2"]);
    for own in ["n=1; : >&$((n=n+1)); label $n", "n=1; { :; } >&$((n=n+1)); label $n"] {
        check(own, &[], &["2"]);
    }
}

#[test]
fn assignments_before_programs_change_nothing_in_zsh_alone() {
    check("n=1; x=$((n=4)) jar; label $n", &[(&[Shell::Zsh], &["1"])], &["4"]);
    check("n=1; x=$((n=4)) true; label $n", &[], &["4"]);
}

#[test]
fn a_subshell_sees_what_its_redirections_change() {
    check("n=1; (label $n) >&$((n=n+1))", &[], &["2"]);
    check("n=1; (label $n) >&$((n=n+1)) 2>&$((n=n*1))", &[], &["2"]);
}

#[test]
fn values_are_read_behind_the_operands_in_two_shells() {
    use Shell::{Ksh93, Mksh};
    let late: &[Shell] = &[Ksh93, Mksh];
    let line = "x=75; label \"${x%$((x=5))}\" $x";
    for shell in Shell::ALL.into_iter().filter(|shell| *shell != Shell::Zsh) {
        let expected: &[&str] = if late.contains(&shell) { &["", "5"] } else { &["7", "5"] };
        assert_eq!(texts(shell, line), expected, "{shell}");
    }
    let mut state = State::new(Dialect::of(Shell::Zsh), SourceKind::Line, line.as_bytes());
    state.give_arguments(&Default::default());
    let trace = walk::line(state, Rc::new(Nowhere));
    assert!(trace.commands[1].argv[1].has_hole(), "zsh has given that memory back");
}

#[test]
fn a_value_that_stays_is_no_hole_in_zsh() {
    let line = "x=abc r=x n=1; label ${(P)r%$((n))c} ${(P)r#${n+a$((n))}} ${x/$((n))/q}";
    assert_eq!(texts(Shell::Zsh, line), ["abc", "abc", "abc"]);
}

#[test]
fn long_parameters_are_cut_in_one_go() {
    let long = "a".repeat(300_000);
    let all = [format!("-{long}"), long.clone()];
    for shell in [Shell::Dash, Shell::Busybox] {
        let made = arguments(shell, "label \"${@%q}\"", &all).unwrap();
        assert!(made.concat().len() <= 2 * long.len() + 1, "{shell}");
        let made = arguments(shell, "label \"${@#-}\"", &all).unwrap();
        assert_eq!(made, [long.clone().into_bytes(), long.clone().into_bytes()], "{shell}");
    }
}

fn value() -> impl Strategy<Value = String> {
    let piece =
        proptest::sample::select(&["a", "b", "-", "/", "=", "*", ".", "\\", "[", "ä", " "][..]);
    proptest::collection::vec(piece, 0..5).prop_map(|pieces| pieces.concat())
}

fn pattern() -> impl Strategy<Value = String> {
    let piece = proptest::sample::select(
        &["*", "?", "a", "b", "-", "=", "\"-\"", "\\*", "'='", "[ab]", "\"\""][..],
    );
    proptest::collection::vec(piece, 0..4).prop_map(|pieces| pieces.concat())
}

fn removal() -> impl Strategy<Value = &'static str> {
    proptest::sample::select(&["#", "##", "%", "%%"][..])
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 400, failure_persistence: None, ..ProptestConfig::default() })]

    #[test]
    fn a_list_of_one_is_cut_like_the_parameter(one in value(), sign in removal(), pattern in pattern()) {
        let list = format!("label \"${{@{sign}{pattern}}}\"");
        let alone = format!("label \"${{1{sign}{pattern}}}\"");
        for shell in Shell::ALL.into_iter().filter(|shell| *shell != Shell::Mksh) {
            let one = [one.clone()];
            prop_assert_eq!(arguments(shell, &list, &one), arguments(shell, &alone, &one), "{}: {}", shell, list);
        }
    }

    #[test]
    fn each_parameter_is_cut_for_itself(
        all in proptest::collection::vec(value(), 2..3), sign in removal(), pattern in pattern(),
    ) {
        let list = format!("label \"${{@{sign}{pattern}}}\"");
        let each = format!("label \"${{1{sign}{pattern}}}\" \"${{2{sign}{pattern}}}\"");
        for shell in [Shell::Bash, Shell::Ksh93, Shell::Zsh] {
            prop_assert_eq!(arguments(shell, &list, &all), arguments(shell, &each, &all), "{}: {}", shell, list);
        }
    }

    #[test]
    fn removals_only_take_away(
        all in proptest::collection::vec(value(), 0..4), sign in removal(), pattern in pattern(),
    ) {
        let list = format!("label \"x${{@{sign}{pattern}}}\"");
        let given: usize = all.iter().map(String::len).sum();
        for shell in Shell::ALL {
            let Some(made) = arguments(shell, &list, &all) else { continue };
            prop_assert!(made.concat().len() <= given + 1, "{}: {}", shell, list);
            prop_assert!(made.len() <= all.len().max(1), "{}: {}", shell, list);
        }
    }
}
