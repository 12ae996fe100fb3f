//! Utilities that take words apart, print them or keep numbers: `read`, `printf`, `test`, `getopts`, `typeset`,
//! `unset`, and the redirections that they read and write through.

use crate::labels::labels;
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

/// What the last `label` of a line is given.
fn last(shell: Shell, line: &str) -> Vec<String> {
    labels(shell, line, &[]).pop().unwrap_or_default()
}

/// Checks what the last `label` of a line is given in each shell that is named.
fn check(line: &str, expected: &[(&[Shell], &[&str])]) {
    for (shells, expected) in expected {
        for &shell in *shells {
            assert_eq!(last(shell, line), *expected, "{shell}: {line}");
        }
    }
}

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Zsh};

#[test]
fn a_compound_command_fails_with_its_redirection() {
    for compound in
        ["{ :; }", "if :; then :; fi", "for i in a; do :; done", "while false; do :; done"]
    {
        let line = format!("set -e; label before; {compound} </no/such/hive; label after");
        for shell in Shell::ALL {
            let goes_on = matches!(shell, Ksh93 | Busybox);
            let expected = if goes_on { "after" } else { "before" };
            assert_eq!(last(shell, &line), [expected], "{shell}: {line}");
            let tested = format!("set -e; {compound} </no/such/hive || label or; label after");
            assert_eq!(last(shell, &tested), ["after"], "{shell}: {tested}");
        }
    }
}

#[test]
fn integers_of_ksh93_have_a_width() {
    let line =
        "typeset -i n=3000000000; typeset -li l=3000000000; typeset -si s=99999; label $n $l $s";
    check(line, &[(&[Ksh93], &["-1294967296", "3000000000", "-31073"])]);
    check(
        "typeset -i n=-9999999999; label $n",
        &[(&[Ksh93], &["-2147483648"]), (&[Bash, Zsh], &["-9999999999"])],
    );
    check(
        "typeset -i16 n=-1; label $n; typeset -ui16 m=-1; label $n $m",
        &[(&[Ksh93], &["16#ffffffffffffffff", "16#ffffffff"])],
    );
    check("x=1e2 y=2.5; label $((x/3)) $((y/2))", &[(&[Ksh93], &["33", "1.25"])]);
}

#[test]
fn assignments_to_parentheses_and_bases_are_those_of_each_shell() {
    let assigned = "hives=1; label before; label $(((hives)=5)) $hives";
    check(assigned, &[(&[Mksh, Zsh], &["5", "5"]), (&[Bash, Dash, Ksh93], &["before"])]);
    check(
        "label before; label $((010#11))",
        &[(&[Mksh, Zsh, Ksh93], &["11"]), (&[Bash, Busybox], &["before"])],
    );
    check("a=5; label $((+++a)) $a", &[(&[Ksh93], &["6", "6"])]);
}

#[test]
fn read_takes_a_prompt_off_a_name() {
    let line = "read 'hive?which one' jar <<E\none two three\nE\nlabel \"$hive\" \"$jar\"";
    check(line, &[(&[Ksh93, Mksh, Zsh], &["one", "two three"]), (&[Bash], &["", ""])]);
}

#[test]
fn read_ends_where_its_delimiter_stands_and_continues_there_only() {
    let line = "read -d : jar <<'E'\na\\\nb\\:c:d\nE\nlabel \"$jar\"";
    check(line, &[(&[Ksh93, Mksh, Zsh], &["a\nbc"]), (&[Bash], &["ab:c"])]);
}

#[test]
fn arrays_of_ksh93_become_what_the_list_says() {
    check(
        "typeset -A hives=([k]=v); hives=(x y); label \"${!hives[@]}\" \"${hives[@]}\"",
        &[(&[Ksh93], &["0", "1", "x", "y"])],
    );
    check(
        "hives=(x y); hives=([k]=z); label \"${!hives[@]}\" \"${hives[@]}\"",
        &[(&[Ksh93], &["k", "z"])],
    );
    check(
        "hives=([1]={x,y} [5]=z); label \"${!hives[@]}\" \"${hives[@]}\"",
        &[(&[Bash], &["0", "1", "5", "[1]=x", "[1]=y", "z"])],
    );
}

#[test]
fn words_behind_an_expression_count_in_ksh93_where_they_follow_a_connector() {
    let status = |words: &str| last(Ksh93, &format!("[ {words} ]; label $?"));
    assert_eq!(status("a = a jar lid"), ["0"]);
    assert_eq!(status("a = a -a b = b jar"), ["2"]);
    assert_eq!(status("'(' a ')' -a b"), ["2"], "a word alone has to have a connector behind it");
    assert_eq!(status("'(' -n a ')' -a b"), ["0"]);
    assert_eq!(status("jar =~ 'j.r'"), ["0"]);
}

proptest! {
    /// What `read -N` takes and what it leaves are the input.
    #[test]
    fn counted_input_is_cut_in_two(text in "[a-c\\\\:]{0,12}", count in 1usize..9) {
        let line = format!(
            "IFS=; {{ read -rN {count} x; read -r y; }} <<'E'\n{text}\nE\nlabel \"$x\" \"$y\""
        );
        let found = last(Bash, &line);
        let whole = format!("{text}\n");
        let taken: String = whole.chars().take(count).collect();
        let rest: String = whole.chars().skip(count).collect();
        prop_assert_eq!(&found[0], taken.trim_end_matches('\0'));
        prop_assert_eq!(&found[1], rest.trim_end_matches('\n'));
    }

    /// A width fills up to itself, on one side or the other, and never cuts.
    #[test]
    fn widths_fill_up(text in "[a-z]{0,9}", width in -20i32..20) {
        let line = format!("printf -v x '%*s|' {width} '{text}'; label \"$x\"");
        let found = last(Bash, &line);
        let size = width.unsigned_abs() as usize;
        let filled = if width < 0 { format!("{text:<size$}|") } else { format!("{text:>size$}|") };
        prop_assert_eq!(&found[0], &filled);
    }

    /// `getopts` gives every letter of a cluster, in order, and ends behind the words that it took.
    #[test]
    fn clusters_are_taken_apart(letters in "[abc]{1,6}", shell in proptest::sample::select(&Shell::ALL[..])) {
        let line = format!(
            "set -- -{letters} jar; x=; while getopts abc o; do x=$x$o; done; label \"$x\" $OPTIND"
        );
        prop_assert_eq!(last(shell, &line), [letters.as_str(), "2"]);
    }

    /// A kept integer is what arithmetic makes of it again, however wide it is.
    #[test]
    fn kept_integers_stay(value in any::<i64>()) {
        let line = format!("typeset -i n={value}; m=$n; n=$m; label $((n == m)) $n");
        let found = last(Ksh93, &line);
        let kept = if value < 0 { value.max(i32::MIN.into()) } else { i64::from(value as u32 as i32) };
        prop_assert_eq!(&found[0], "1");
        prop_assert_eq!(&found[1], &kept.to_string());
    }

    /// Steps and signs before a mistake: the variable never gets what the shell has not computed.
    #[test]
    fn mistakes_leave_whole_values(before in "(x=1|x\\+\\+|\\+\\+x|y=x)", junk in "[;@}\\]]") {
        for shell in [Bash, Mksh, Zsh] {
            let line = format!("x=5 y=7; let '{before}{junk}' 2>/dev/null; label $x $y");
            let found = last(shell, &line);
            prop_assert!(["1", "5", "6"].contains(&found[0].as_str()), "{shell}: {line}: {found:?}");
            prop_assert!(["5", "7"].contains(&found[1].as_str()), "{shell}: {line}: {found:?}");
        }
    }
}

#[test]
fn numbers_of_printf_end_where_those_of_c_end() {
    check(
        "printf -v x '%d|' 0777777777777777777777777 -0xffffffffffffffffffff; label \"$x\" $?",
        &[(&[Bash], &["9223372036854775807|-9223372036854775808|", "0"])],
    );
    check(
        "x=$(printf '%d|' 0xffffffffffffffff; echo $?); label \"$x\"",
        &[
            (&[Bash], &["9223372036854775807|0"]),
            (&[Dash], &["9223372036854775807|1"]),
            (&[Busybox], &["0|1"]),
        ],
    );
    check(
        "x=$(printf '%u|' -0xf 01777777777777777777777; echo $?); label \"$x\"",
        &[(&[Bash, Dash], &["18446744073709551601|18446744073709551615|0"])],
    );
    check(
        "x=$(printf '%d|' 2**63 nan; echo $?); label \"$x\"",
        &[(&[Ksh93], &["9223372036854775807|-9223372036854775808|1"])],
    );
    check("x=$(printf '%d|' 5 hive.jar 6); label \"$x\" $?", &[(&[Ksh93], &["5|", "1"])]);
}

#[test]
fn actions_and_aliases_have_names_of_their_own() {
    check("trap 999 EXIT; label $?", &[(&[Bash, Dash], &["0"]), (&[Ksh93], &["1"])]);
    check(
        "alias jar=lid; x=$(alias -p jar); label \"$x\"",
        &[(&[Bash], &["alias jar='lid'\nalias jar='lid'"]), (&[Ksh93, Mksh], &["alias jar=lid"])],
    );
    check("alias -p hive=1; label $?", &[(&[Bash, Mksh], &["0"]), (&[Ksh93], &["1"])]);
}
