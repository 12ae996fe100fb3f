//! Lists of parameters and elements in every place of a command, and values whose quotes are read once more.

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::Trace;
use fizzet_core::walk;
use proptest::prelude::*;

fn trace(shell: Shell, line: &str, parameters: &[&str]) -> Trace {
    let mut state = State::new(Dialect::of(shell), SourceKind::Line, line.as_bytes());
    state.give_arguments(&parameters.iter().map(|one| one.as_bytes().to_vec()).collect());
    walk::line(state, Rc::new(Nowhere))
}

/// The arguments of the last command of a line, behind its name.
fn arguments(shell: Shell, line: &str, parameters: &[&str]) -> Vec<String> {
    let trace = trace(shell, line, parameters);
    let last = trace.commands.last().expect("a command was carried out");
    last.argv[1..].iter().map(|one| String::from_utf8_lossy(one.bytes()).into_owned()).collect()
}

/// What each shell makes of a line with some parameters: those that are named, and the rest.
fn check(line: &str, parameters: &[&str], named: &[(&[Shell], &[&str])], others: &[&str]) {
    for shell in Shell::ALL {
        let own = named.iter().find(|(shells, _)| shells.contains(&shell));
        let expected = own.map_or(others, |(_, expected)| expected);
        assert_eq!(arguments(shell, line, parameters), expected, "{shell}: {line} {parameters:?}");
    }
}

const BASH: &[Shell] = &[Shell::Bash];
const MKSH: &[Shell] = &[Shell::Mksh];
const ZSH: &[Shell] = &[Shell::Zsh];

#[test]
fn a_quoted_list_in_a_pattern_of_case_is_its_first_parameter_in_bash() {
    let which = |word: &str, pattern: &str| {
        format!("case {word} in {pattern}) label yes;; *) label no;; esac")
    };
    let two = &["hive", "jar"][..];
    check(&which("hive", "\"$@\""), two, &[(BASH, &["yes"])], &["no"]);
    check(&which("'hive jar'", "\"$@\""), two, &[(BASH, &["no"])], &["yes"]);
    check(&which("'hive jar'", "\"$*\""), two, &[], &["yes"]);
    check(&which("hive", "\"$@\""), &["hive"], &[], &["yes"]);
    check(&which("''", "\"$@\""), &[], &[], &["yes"]);
    let colon = format!("IFS=:; {}", which("hive:jar", "$@"));
    let joined = arguments(Shell::Mksh, &colon, two);
    assert_eq!(joined, ["yes"], "mksh joins with the first character of IFS");
    let none = format!("IFS=; {}", which("hive", "$@"));
    check(&none, two, &[(MKSH, &["yes"])], &["no"]);
}

#[test]
fn a_word_with_a_quoted_list_is_split_for_itself_in_bash() {
    let line = "label a${u-\"$@\" }b";
    let named: &[(&[Shell], &[&str])] = &[(BASH, &["ahive", "jarb"]), (ZSH, &["ahive", "jar b"])];
    check(line, &["hive", "jar"], named, &["ahive", "jar", "b"]);
}

#[test]
fn elements_that_are_empty_vanish_in_words_of_operations_in_zsh() {
    let line = "label k${u-$@}k";
    assert_eq!(arguments(Shell::Zsh, line, &["", ""]), ["kk"]);
    assert_eq!(arguments(Shell::Zsh, line, &["hive", "", "jar"]), ["khive", "jark"]);
    assert_eq!(arguments(Shell::Zsh, "label k${u-\"$@\"}k", &["", ""]), ["k", "k"]);
    let kept = "x=; label ${u-\"$x\"$x} ${u-\"\"$x}";
    assert_eq!(arguments(Shell::Zsh, kept, &[]), ["", ""]);
}

#[test]
fn declarations_and_here_strings_join_changed_lists_as_assignments_do_in_bash() {
    let given = &["hive", "", "jar"];
    for place in ["v=W", "declare v=W", "read -r v <<<W", ": ${v=W}"] {
        for (form, joined) in
            [("\"${@#h}\"", "ive::jar"), ("\"${@:2}\"", ":jar"), ("$@", "hive  jar")]
        {
            let line = format!("IFS=:; {}; label \"$v\"", place.replace('W', form));
            assert_eq!(arguments(Shell::Bash, &line, given), [joined], "{line}");
        }
    }
    assert_eq!(arguments(Shell::Bash, "v=${@:-jar}; label \"$v\"", &[""]), [""]);
    assert_eq!(arguments(Shell::Bash, "label ${@:-jar}", &[""]), ["jar"]);
    assert_eq!(arguments(Shell::Bash, "IFS=; v=${u-$*}; label \"$v\"", &["a", "b"]), ["a b"]);
}

#[test]
fn what_dollar_quotes_give_between_quotes_is_read_again_in_bash() {
    let made = |line: &str| arguments(Shell::Bash, line, &[]);
    assert_eq!(made(r#"label "${u-$'a\x22b c\x22'}""#), ["ab c"]);
    assert_eq!(made(r#"x=5; label "${u-$'\x24x'}""#), ["5"]);
    assert_eq!(made(r#"x=abc; label "${x#$'a\x22'}""#), ["abc"]);
    let broken = trace(Shell::Bash, r#"label "${u-$'it\'s'}"; label after"#, &[]);
    assert!(broken.commands.iter().all(|command| command.argv.is_empty()), "the quote never ends");
}

#[test]
fn braces_are_looked_for_where_the_text_has_its_quotes_in_bash() {
    let line = r#"label "${u-"{a,b}"}""#;
    assert_eq!(arguments(Shell::Bash, line, &[]), ["a", "b"]);
    for shell in [Shell::Dash, Shell::Busybox, Shell::Mksh, Shell::Zsh] {
        assert_eq!(arguments(shell, line, &[]), ["{a,b}"], "{shell}");
    }
    let made = trace(Shell::Bash, r#"label "${u-"{1..2}"}""#, &[]);
    let origins = made.commands[0].argv[1].runs().next().map(|(run, _)| run.origin.span());
    let span = origins.expect("the argument has an origin");
    assert_eq!(&br#"label "${u-"{1..2}"}""#[span.start as usize..span.end as usize], b"1..2");
}

#[test]
fn patterns_that_match_nothing_do_so_between_characters_in_bash() {
    let line = |rest: &str| format!("shopt -s extglob\n{rest}");
    let made = |rest: &str| arguments(Shell::Bash, &line(rest), &[]);
    assert_eq!(
        made("x=abc; label ${x//*(b)/-} ${x/*(b)/-} ${x/%*(b)/-}"),
        ["-a--c", "-abc", "abc-"]
    );
    assert_eq!(made("x=; label \"${x/@(a|)/-}\" \"${x/*(a)/-}\""), ["", "-"]);
    assert_eq!(made("x=abc; label ${x/[!]a]/-}"), ["abc"], "it is measured as three characters");
    let ends = "case abx in *@(c|)) label yes;; *) label no;; esac";
    assert_eq!(made(ends), ["no"]);
    assert_eq!(arguments(Shell::Ksh93, ends, &[]), ["yes"]);
}

#[test]
fn ranges_chain_in_ksh93() {
    let line = "for c in a b d z; do case $c in [a-c-e]|[9-z-9]) set -- \"$@\" $c;; esac; done; label \"$@\"";
    assert_eq!(arguments(Shell::Ksh93, line, &[]), ["a", "b", "d", "z"]);
    assert_eq!(arguments(Shell::Ksh93, "case a in [c-a]) label yes;; esac", &[]), ["yes"]);
    assert_eq!(
        arguments(Shell::Ksh93, "case c in [c-a]) label yes;; *) label no; esac", &[]),
        ["no"]
    );
}

#[test]
fn quotes_that_do_not_pair_stay_in_zsh() {
    let made = |value: &str| {
        let quoted = format!("x={}; label \"${{(Q)x}}\" \"${{x:Q}}\"", in_quotes(value));
        arguments(Shell::Zsh, &quoted, &[])
    };
    for (value, bare) in [
        ("\"", "\""),
        ("a'b", "a'b"),
        ("'a b' \"c\\$d\"", "a b c$d"),
        ("$'a\\tb'", "a\tb"),
        ("\"$(label \"x\")\"", "$(label \"x\")"),
        ("`label \"x\"`'y'", "`label \"x\"`y"),
        ("\"${x:-\"b c\"}\"", "${x:-b c}"),
        ("a\\", "a"),
    ] {
        assert_eq!(made(value), [bare, bare], "{value}");
    }
}

/// A text as one word of a shell.
fn in_quotes(text: &str) -> String {
    format!("'{}'", text.replace('\'', "'\\''"))
}

proptest! {
    #[test]
    fn quotes_that_are_put_on_come_off_in_zsh(value in "[a-c \\\\'\"$`*?\\[\\]{}()~=#ä\n-]{0,12}", times in 1usize..=4) {
        let flags = "q".repeat(times);
        let line = format!("x={}; y=\"${{({flags})x}}\"; label \"${{(Q)y}}\"", in_quotes(&value));
        prop_assert_eq!(arguments(Shell::Zsh, &line, &[]), [value]);
    }

    #[test]
    fn a_list_can_be_made_of_the_array_that_it_replaces(
        values in prop::collection::vec("[a-z ]{1,4}", 1..5),
        keyed in any::<bool>(),
        in_front in any::<bool>(),
    ) {
        let elements: Vec<String> = values
            .iter()
            .enumerate()
            .map(|(at, value)| match keyed {
                true => format!("[{}]={}", at + 3, in_quotes(value)),
                false => in_quotes(value),
            })
            .collect();
        let list = if in_front { "more \"${hives[@]}\"" } else { "\"${hives[@]}\" more" };
        let line =
            format!("hives=({}); hives=({list}); label \"${{hives[@]}}\"", elements.join(" "));
        let more = [String::from("more")];
        let expected = if in_front { [&more[..], &values].concat() } else { [&values, &more[..]].concat() };
        // What the indexes skip is there and empty in zsh, and to mksh they are parts of the words.
        let shells = [Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh];
        for shell in shells.into_iter().filter(|shell| !keyed || matches!(shell, Shell::Bash | Shell::Ksh93)) {
            prop_assert_eq!(&arguments(shell, &line, &[]), &expected, "{}: {}", shell, line);
        }
    }

    #[test]
    fn a_list_of_one_is_a_value_in_every_pattern_of_case(value in "[a-c*? ]{0,5}", word in "[a-c*? ]{0,5}") {
        for shell in Shell::ALL {
            let ask = |pattern: &str| {
                let line = format!("case {} in {pattern}) label yes;; *) label no;; esac", in_quotes(&word));
                arguments(shell, &line, &[&value])
            };
            prop_assert_eq!(ask("\"$@\""), ask("\"$1\""), "{}", shell);
            prop_assert_eq!(ask("x\"$@\"y"), ask("x\"$1\"y"), "{}", shell);
        }
    }
}
