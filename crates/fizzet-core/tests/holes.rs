//! What can be said of texts that are not known as a whole: the number of the shell, what a program prints.

mod checked;
mod labels;

use checked::{check, told};
use fizzet_core::dialect::Shell;
use labels::labels;
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
