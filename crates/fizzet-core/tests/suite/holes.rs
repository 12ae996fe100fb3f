//! What can be said of texts that are not known as a whole: the number of the shell, what a program prints.

use std::rc::Rc;

use crate::checked::{check, told};
use crate::labels::labels;
use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::walk;
use proptest::prelude::*;

const WITH_DOUBLE_BRACKETS: &[Shell] = &[Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh];

/// What prints a text as it is, without a newline behind it; mksh has no `printf` of its own.
fn prints(shell: Shell) -> &'static str {
    if shell == Shell::Mksh { "print -rn --" } else { "printf %s" }
}

/// The only argument of the only `label` of a line.
fn alone(shell: Shell, line: &str) -> String {
    let all = labels(shell, line, &[]);
    assert_eq!(all.concat().len(), 1, "{shell}: {line}: {all:?}");
    all.concat().concat()
}

/// The same, which may be empty.
fn alone_or_empty(shell: Shell, line: &str) -> String {
    let all = labels(shell, line, &[]);
    assert_eq!(all.len(), 1, "{shell}: {line}: {all:?}");
    all.concat().concat()
}

/// How many things are not known of a line.
fn missing(shell: Shell, line: &str) -> usize {
    let state = State::new(Dialect::of(shell), SourceKind::Line, line.as_bytes());
    walk::line(state, Rc::new(Nowhere)).missing.len()
}

fn any_shell() -> impl Strategy<Value = Shell> {
    prop::sample::select(Shell::ALL.to_vec())
}

/// A part of the name of a file.
fn part() -> impl Strategy<Value = String> {
    "[a-z./]{0,6}"
}

/// A line that `read` keeps as it is.
fn line() -> impl Strategy<Value = String> {
    "[ a-zA-Z0-9;*$~-]{1,12}"
}

/// What gives a text that is not known, the same one each time, to the variable `jars`.
fn source() -> impl Strategy<Value = &'static str> {
    prop::sample::select(vec!["jars=$$", "jars=$(keeper)", "jars=`keeper ada`"])
}

proptest! {
    #[test]
    fn what_is_written_to_an_unknown_name_is_read_from_it(
        shell in any_shell(),
        source in source(),
        (before, after) in (part(), part()),
        kept in line(),
    ) {
        let write = prints(shell);
        for (file, read) in [
            ("\"$file\"", "IFS= read -r x <\"$file\""),
            ("\"$file\"", "{ IFS= read -r x; } <\"$file\""),
            ("\"$file\"", "exec 7<\"$file\"; IFS= read -r x <&7"),
            ("\"$file\"", "for i in 1 2; do IFS= read -r x <\"$file\"; done"),
            ("\"$file\"", "copy=$file; IFS= read -r x <\"$copy\""),
            ("\"$file\"", "f() { IFS= read -r x <\"$1\"; }; f \"$file\""),
        ] {
            let line = format!(
                "{source}; file=./{before}${{jars}}{after}x; {write} '{kept}' >{file}; {read}; label \"$x\"",
            );
            prop_assert_eq!(alone(shell, &line), kept.clone(), "{}: {}", shell, line);
        }
    }

    #[test]
    fn files_with_other_names_keep_what_they_have(
        shell in any_shell(),
        (one, other) in (line(), line()),
        names in prop::sample::select(vec![
            ("a=x$$", "b=y$$"),
            ("a=x$$", "b=x$$.new"),
            ("a=$(keeper)", "b=$(keeper)"),
            ("a=$(keeper)", "b=$$"),
            ("a=$(keeper)", "b=${a#x}x"),
        ]),
    ) {
        let write = prints(shell);
        let (first, second) = names;
        let line = format!(
            "{first}; {second}; {write} '{one}' >\"$a\"; {write} '{other}' >\"$b\"; \
             IFS= read -r x <\"$a\"; label \"$x\"",
        );
        prop_assert_eq!(alone(shell, &line), one, "{}: {}", shell, line);
    }

    #[test]
    fn known_parts_answer_a_test(
        shell in any_shell(),
        source in source(),
        (before, after, other) in ("[a-z]{1,4}", "[a-z]{1,4}", "[A-Z]{1,6}"),
    ) {
        for (test, holds) in [
            (format!("[ -n \"{before}$jars\" ]"), true),
            (format!("[ -z \"${{jars}}{after}\" ]"), false),
            (format!("[ \"{before}$jars\" = \"{before}$jars\" ]"), true),
            (format!("[ \"{before}${{jars}}{after}\" = {other} ]"), false),
            (format!("[ ! \"{before}${{jars}}{after}\" = {other} ]"), true),
            (format!("[ {other} != \"{before}$jars\" ]"), true),
            (format!("case {before}$jars in {before}*) : ;; *) false ;; esac"), true),
            (format!("case ${{jars}}{after} in *{after}) : ;; *) false ;; esac"), true),
            (format!("case {before}$jars in {other}*) : ;; *) false ;; esac"), false),
        ] {
            let line = format!("{source}; if {test}; then label yes; else label no; fi");
            let expected = if holds { "yes" } else { "no" };
            prop_assert_eq!(alone(shell, &line), expected, "{}: {}", shell, line);
        }
    }
}

#[test]
fn an_operation_makes_another_name_of_it() {
    for change in ["${a#x}", "${a%x}", "${a##*/}"] {
        check(
            &format!(
                "a=$(keeper); echo lime >\"$a\"; b={change}; read -r x <\"$b\"; label \"[$x]\""
            ),
            &[],
            "[]",
        );
    }
}

#[test]
fn a_file_that_was_written_is_there() {
    check("a=x$$; [ -f $a ] || label none; echo >$a; [ -f $a ] && label there", &[], "none there");
    check("a=x$$; : >$a; [ -e $a ] && label there; [ -s $a ] || label empty", &[], "there empty");
    check("a=x$$; echo 'label lime' >$a; . ./$a", &[], &told(Shell::Bash, "label lime"));
}

#[test]
fn double_brackets_ask_the_same() {
    let line = "a=x$$; if [[ $a == x* && -n $a && $a != y* ]]; then label yes; else label no; fi";
    check(line, &[(WITH_DOUBLE_BRACKETS, "yes")], "no");
}

#[test]
fn what_is_certain_of_a_value_that_is_cut_stays_and_the_rest_is_a_hole() {
    let shells = [Shell::Bash, Shell::Ksh93, Shell::Mksh, Shell::Zsh, Shell::Dash, Shell::Busybox];
    for (word, certain) in [
        ("${x##*/}", Some("f.x")),
        ("${x%%/*}", Some("")),
        ("${x#/}", Some("d//f.x")),
        ("${x%.*}", Some("/d//f")),
        ("${x%/*}", Some("/d/")),
        ("${x%[xyz]}", Some("/d//f.")),
        ("${x#[0-9]}", Some("/d//f.x")),
        // Only the hole can say these.
        ("${x#*f}", None),
        ("${x%%.*}", None),
        ("${#x}", None),
    ] {
        let line = format!("x=/d/$(jar)/f.x; label \"{word}\"");
        for shell in shells {
            assert_eq!(alone_or_empty(shell, &line), certain.unwrap_or_default(), "{shell} {word}");
        }
    }
}

#[test]
fn changes_of_each_character_and_slices_leave_the_hole_where_it_was() {
    for (word, certain) in [
        ("${x//\\//_}", "_d__f.x"),
        ("${x^^}", "/D//F.X"),
        ("${x:0:3}", "/d/"),
        ("${x: -2}", ".x"),
        ("${x:1}", "d//f.x"),
        ("${x: -3:2}", "f."),
        ("${x:2:9}", ""),
        ("${x/f/g}", ""),
    ] {
        let line = format!("x=/d/$(jar)/f.x; label \"{word}\"");
        assert_eq!(alone_or_empty(Shell::Bash, &line), certain, "{word}");
    }
}

#[test]
fn a_declaration_keeps_what_is_not_known() {
    for declaration in ["export y=", "typeset y=p", "readonly y="] {
        let line = format!("x=$(jar); {declaration}$x; [ \"$y\" = q ]; label $?");
        for shell in [Shell::Bash, Shell::Ksh93, Shell::Zsh] {
            let is_known = declaration.ends_with('p');
            assert_eq!(missing(shell, &line), 2 - usize::from(is_known), "{shell}: {line}");
        }
    }
}

#[test]
fn lines_are_taken_apart_around_what_the_shell_tells() {
    for (line, expected) in [
        ("read a b <<E\nx $$ y\nE\nlabel \"$a\" \"$b\"", vec!["x", " y"]),
        ("read a b <<E\n$$ y\nE\nlabel \"$a\" \"$b\"", vec!["", "y"]),
        ("x=$(echo $$; echo b); label \"${x#*b}\" \"$x\"", vec!["", "\nb"]),
    ] {
        for shell in [Shell::Bash, Shell::Dash, Shell::Zsh] {
            assert_eq!(labels(shell, line, &[]).concat(), expected, "{shell}: {line}");
        }
    }
}

#[test]
fn a_hole_outside_quotes_may_be_any_number_of_words() {
    for (line, count) in [
        ("set -- $(jar); label $#", 2),
        ("for i in $(jar); do label; done", 2),
        ("f() { label $#; }; f $(jar)", 2),
        ("a=($(jar)); label ${#a[@]}", 2),
        ("set -- \"$(jar)\"; label $#", 1),
        ("set -- $$; label $#", 1),
    ] {
        assert_eq!(missing(Shell::Bash, line), count, "{line}");
    }
}

#[test]
fn no_file_is_named_by_a_pattern_with_a_hole() {
    for word in ["\"$d\"/*", "*$d", "$d/[a-z]*"] {
        let line = format!("d=$(mktemp -d); label {word}");
        for shell in Shell::ALL {
            let all = labels(shell, &line, &[]);
            let known = word.replace("\"$d\"", "").replace("$d", "");
            assert_eq!(all, [[known]], "{shell}: {word}");
        }
    }
}

#[test]
fn whether_a_value_is_empty_is_asked_where_that_counts() {
    for (line, count) in [
        ("x=$(jar); label ${x:+y}", 2),
        ("x=$(jar); label ${x:?none}", 2),
        ("x=p$(jar); label ${x:+y}", 1),
        ("x=$$; label ${x:+y}", 1),
        ("x=$(jar); label \"${x:-y}\"", 1),
        ("trap \"label $(jar)\" EXIT", 2),
        ("eval \"label $(jar)\"", 2),
    ] {
        assert_eq!(missing(Shell::Bash, line), count, "{line}");
    }
}

#[test]
fn nobody_knows_where_an_unknown_folder_is() {
    for shell in Shell::ALL {
        assert_eq!(missing(shell, "d=$(keeper); cd \"$d\""), 2, "{shell}");
        assert_eq!(missing(shell, "d=$(keeper); cd \"$d/jars\""), 2, "{shell}");
    }
}
