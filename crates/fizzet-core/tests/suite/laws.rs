//! What holds in every shell, whatever the parameters are.

use crate::labels::labels;
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

/// What all the `label` of a line are given, which has these parameters.
fn told(shell: Shell, line: &str, parameters: &[String]) -> Vec<Vec<String>> {
    let parameters: Vec<&str> = parameters.iter().map(String::as_str).collect();
    labels(shell, line, &parameters)
}

/// What the one `label` of a line is given.
fn alone(shell: Shell, line: &str, parameters: &[String]) -> Vec<String> {
    let mut all = told(shell, line, parameters);
    assert_eq!(all.len(), 1, "{shell}: {line}");
    all.remove(0)
}

fn any_shell() -> impl Strategy<Value = Shell> {
    prop::sample::select(Shell::ALL.to_vec())
}

/// What prints a text as it is, without a newline behind it; mksh has no `printf` of its own.
fn prints(shell: Shell) -> &'static str {
    if shell == Shell::Mksh { "print -rn --" } else { "printf %s" }
}

/// A text of a few characters, signs of all kinds among them.
fn text() -> impl Strategy<Value = String> {
    "[ -~é\t]{0,7}"
}

fn word() -> impl Strategy<Value = String> {
    "[a-z0-9]{1,5}"
}

/// A text as it is written between single quotes.
fn quoted(text: &str) -> String {
    format!("'{}'", text.replace('\'', r"'\''"))
}

proptest! {
    #[test]
    fn parameters_pass_through_quotes_functions_and_eval(
        shell in any_shell(),
        parameters in prop::collection::vec(text(), 0..5),
    ) {
        for line in [
            r#"label "$@""#,
            r#"f() { label "$@"; }; f "$@""#,
            r#"eval 'label "$@"'"#,
            r#"label ${1+"$@"}"#,
            r#"set -- x "$@"; shift; label "$@""#,
            r#"set -- "$@" y; set -- "$@"; label "$@""#,
        ] {
            let mut given = alone(shell, line, &parameters);
            if line.contains(" y;") {
                prop_assert_eq!(given.pop(), Some("y".to_string()));
            }
            prop_assert_eq!(&given, &parameters, "{}: {}", shell, line);
        }
    }

    #[test]
    fn each_parameter_is_met_once(
        shell in any_shell(),
        parameters in prop::collection::vec(text(), 0..5),
    ) {
        let each: Vec<Vec<String>> = parameters.iter().map(|one| vec![one.clone()]).collect();
        for line in [
            r#"for x; do label "$x"; done"#,
            r#"for x in "$@"; do label "$x"; done"#,
            r#"while [ $# -gt 0 ]; do label "$1"; shift; done"#,
            r#"until [ $# = 0 ]; do x=$1; shift; label "$x"; done"#,
        ] {
            prop_assert_eq!(&told(shell, line, &parameters), &each, "{}: {}", shell, line);
        }
    }

    #[test]
    fn a_text_between_single_quotes_stays_what_it_is(
        shell in any_shell(),
        text in "[ -~é\t\n]{0,12}",
    ) {
        let quoted = quoted(&text);
        for line in [
            format!("label {quoted}"),
            format!("x={quoted}; label \"$x\""),
            format!("x={quoted}; y=$x; label \"$y\""),
            format!("set -- {quoted}; label \"$1\""),
        ] {
            prop_assert_eq!(alone(shell, &line, &[]), vec![text.clone()], "{}: {}", shell, line);
        }
    }

    #[test]
    fn a_quoted_text_in_a_pattern_matches_itself_alone(
        shell in any_shell(),
        text in text(),
        other in text(),
    ) {
        let parameters = [text.clone(), other.clone()];
        let line = r#"case $1 in "$2") label y;; *) label n;; esac"#;
        let expected = if text == other { "y" } else { "n" };
        prop_assert_eq!(alone(shell, line, &parameters), vec![expected]);
        let line = r#"case $1$2 in "$1"*) label y;; *) label n;; esac"#;
        prop_assert_eq!(alone(shell, line, &parameters), vec!["y"]);
        let line = r#"case x$1x in *"$1"*) label y;; *) label n;; esac"#;
        prop_assert_eq!(alone(shell, line, &parameters), vec!["y"]);
    }

    #[test]
    fn what_is_cut_away_and_what_stays_make_the_whole(
        shell in any_shell(),
        head in text(),
        tail in text(),
    ) {
        let parameters = [head.clone(), tail.clone()];
        let line = r#"x=$1$2; label "${x#"$1"}""#;
        prop_assert_eq!(alone(shell, line, &parameters), vec![tail.clone()], "{}", shell);
        let line = r#"x=$1$2; label "${x%"$2"}""#;
        prop_assert_eq!(alone(shell, line, &parameters), vec![head.clone()], "{}", shell);
    }

    #[test]
    fn words_are_split_where_they_were_joined(
        shell in any_shell(),
        parameters in prop::collection::vec(word(), 1..6),
        separator in prop::sample::select(vec![":", ",", "/", " "]),
    ) {
        let split = if shell == Shell::Zsh { "$=x" } else { "$x" };
        let line = format!("IFS='{separator}'; x=\"$*\"; label {split}");
        prop_assert_eq!(&alone(shell, &line, &parameters), &parameters, "{}: {}", shell, line);
    }

    #[test]
    fn lines_are_read_as_they_are_written(
        shell in any_shell(),
        lines in prop::collection::vec("[ -~é\t]{0,8}", 0..5),
    ) {
        let expected: Vec<Vec<String>> = lines.iter().map(|one| vec![one.clone()]).collect();
        let body: String = lines.iter().map(|one| format!("{one}\n")).collect();
        let reads = "while IFS= read -r line; do label \"$line\"; done";
        let line = format!("{reads} <<'the end of it'\n{body}the end of it\n");
        prop_assert_eq!(&told(shell, &line, &[]), &expected, "{}: {}", shell, line);
        let print = prints(shell);
        let line = format!("for x; do {print} \"$x\"; echo; done | {reads}");
        prop_assert_eq!(&told(shell, &line, &lines), &expected, "{}: {}", shell, line);
    }

    #[test]
    fn a_substitution_gives_what_was_printed_without_its_last_newlines(
        shell in any_shell(),
        text in "[ -~é\t\n]{0,10}",
    ) {
        let kept = text.trim_end_matches('\n').to_string();
        let print = prints(shell);
        for line in [
            format!(r#"label "$({print} "$1")""#),
            format!(r#"x=$({print} "$1"; echo; echo); label "$x""#),
            format!(r#"label "`{print} "$1"`""#),
        ] {
            let parameters = [text.clone()];
            let given = alone(shell, &line, &parameters);
            prop_assert_eq!(given, vec![kept.clone()], "{}: {}", shell, line);
        }
    }

    #[test]
    fn operations_choose_between_the_value_and_the_word(
        shell in any_shell(),
        value in text(),
        other in text(),
    ) {
        let parameters = [value.clone(), other.clone()];
        let line = r#"label "${1-$2}" "${1:-$2}" "${1+$2}" "${1:+$2}" "${3-$2}" "${3+$2}""#;
        let if_empty = if value.is_empty() { &other } else { &value };
        let if_full = if value.is_empty() { "" } else { &other };
        let expected = [&value, if_empty, &other, if_full, &other, ""].map(str::to_string);
        prop_assert_eq!(alone(shell, line, &parameters), expected);
        let line = r#"x=; y=${x:=$2}; label "$x" "$y""#;
        prop_assert_eq!(alone(shell, line, &parameters), [other.clone(), other]);
    }

    #[test]
    fn numbers_are_reckoned_and_compared_alike(
        shell in any_shell(),
        (a, b, c) in (-999i64..999, -999i64..999, 1i64..99),
    ) {
        let parameters = [a, b, c].map(|number| number.to_string());
        let line = "label $(($1 + $2 * $3)) $(($1 / $3)) $(($1 % $3)) $(( ($1 - $2) * $3 )) $(($1 < $2))";
        let expected = [a + b * c, a / c, a % c, (a - b) * c, i64::from(a < b)];
        prop_assert_eq!(alone(shell, line, &parameters), expected.map(|one| one.to_string()));
        let line = "if [ $1 -lt $2 ]; then label less; else label more; fi";
        prop_assert_eq!(alone(shell, line, &parameters), [if a < b { "less" } else { "more" }]);
    }

    #[test]
    fn shift_takes_as_many_as_it_is_told(
        shell in any_shell(),
        parameters in prop::collection::vec(text(), 0..6),
        count in 0usize..6,
    ) {
        let count = count.min(parameters.len());
        let line = format!("shift {count}; label $# \"$@\"");
        let mut expected = vec![(parameters.len() - count).to_string()];
        expected.extend(parameters[count..].iter().cloned());
        prop_assert_eq!(alone(shell, &line, &parameters), expected);
    }

    #[test]
    fn options_are_taken_from_clusters_and_values_from_either_place(
        shell in any_shell(),
        jars in 0usize..3,
        hive in prop::option::of(word()),
        stands_alone in any::<bool>(),
        rest in prop::collection::vec(word(), 0..3),
    ) {
        let mut parameters = Vec::new();
        if jars > 0 {
            parameters.push(format!("-{}", "j".repeat(jars)));
        }
        if let Some(hive) = &hive {
            match stands_alone {
                true => parameters.extend(["-h".to_string(), hive.clone()]),
                false => parameters.push(format!("-h{hive}")),
            }
        }
        parameters.extend(rest.iter().cloned());
        let line = "while getopts jh: o; do case $o in j) label j;; h) label \"$OPTARG\";; esac; done; \
                    shift $((OPTIND - 1)); label \"$@\"";
        let mut expected = vec![vec!["j".to_string()]; jars];
        expected.extend(hive.map(|hive| vec![hive]));
        expected.push(rest);
        prop_assert_eq!(told(shell, line, &parameters), expected, "{}", shell);
    }

    #[test]
    fn a_subshell_changes_nothing_outside(
        shell in any_shell(),
        before in text(),
        inside in text(),
    ) {
        let parameters = [before.clone(), inside.clone()];
        for line in [
            r#"x=$1; (x=$2; set --); label "$x" "$2""#,
            r#"x=$1; : "$(x=$2; set --)"; label "$x" "$2""#,
            r#"x=$1; { x=$2; set --; } | { :; }; label "$x" "$2""#,
        ] {
            prop_assert_eq!(alone(shell, line, &parameters), [before.clone(), inside.clone()], "{}: {}", shell, line);
        }
    }

    #[test]
    fn a_list_holds_what_it_was_given(
        shell in prop::sample::select(vec![Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh]),
        parameters in prop::collection::vec(text(), 1..5),
        more in text(),
    ) {
        let line = format!(
            r#"a=("$@"); a+=({}); label "${{#a[@]}}" "${{a[@]}}"; b=("${{a[@]}}"); label "${{b[@]}}""#,
            quoted(&more),
        );
        let mut whole = parameters.clone();
        whole.push(more);
        let counted = [vec![whole.len().to_string()], whole.clone()].concat();
        prop_assert_eq!(told(shell, &line, &parameters), [counted, whole], "{}: {}", shell, line);
    }

    #[test]
    fn stretches_of_the_parameters_make_the_whole(
        shell in prop::sample::select(vec![Shell::Bash, Shell::Ksh93, Shell::Zsh]),
        parameters in prop::collection::vec(text(), 1..6),
        count in 0usize..6,
    ) {
        let count = count.min(parameters.len());
        let line = format!(r#"label "${{@:1:{count}}}"; label "${{@:{}}}""#, count + 1);
        let expected = [parameters[..count].to_vec(), parameters[count..].to_vec()];
        prop_assert_eq!(told(shell, &line, &parameters), expected, "{}: {}", shell, line);
    }

    #[test]
    fn a_replaced_text_is_replaced_everywhere(
        shell in prop::sample::select(vec![Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh]),
        value in "[ab*?]{0,8}",
        sought in "[ab*?]{1,2}",
        put in "[c-f]{0,2}",
    ) {
        let expected = vec![value.replacen(&sought, &put, 1), value.replace(&sought, &put)];
        let parameters = [value, sought, put];
        let line = r#"x=$1; label "${x/"$2"/$3}" "${x//"$2"/$3}""#;
        prop_assert_eq!(alone(shell, line, &parameters), expected, "{}", shell);
    }

    #[test]
    fn tests_compare_texts_as_they_are(
        shell in prop::sample::select(vec![Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh]),
        one in text(),
        other in text(),
    ) {
        let parameters = [one.clone(), other.clone()];
        let line = r#"if [[ $1 == "$2" ]]; then label same; else label other; fi"#;
        let expected = if one == other { "same" } else { "other" };
        prop_assert_eq!(alone(shell, line, &parameters), [expected]);
        let line = r#"if [[ -z $1 || -n $2 ]]; then label yes; else label no; fi"#;
        let expected = if one.is_empty() || !other.is_empty() { "yes" } else { "no" };
        prop_assert_eq!(alone(shell, line, &parameters), [expected]);
    }
}
