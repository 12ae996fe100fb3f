//! Bracket expressions with mistakes in them, and what else this shows of patterns.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use proptest::prelude::*;

use Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

/// Which of some texts a pattern matches.
fn matched(shell: Shell, pattern: &str) -> String {
    let texts = "a z : . = '[' ']' '[a' 'a]' '[:' ':]'";
    told(shell, &format!("for v in {texts}; do case $v in {pattern}) label \"$v\";; esac; done"))
}

#[test]
fn a_class_that_nothing_closes_is_read_as_each_shell_reads_it() {
    for (shells, expected) in
        [(&[Bash][..], ":"), (&[Dash, Busybox, Zsh], ": ["), (&[Posix, Mksh], "[:"), (&[Ksh93], "")]
    {
        for &shell in shells {
            assert_eq!(matched(shell, "[[:]"), expected, "{shell}");
        }
    }
}

#[test]
fn a_class_that_there_is_not_spoils_nothing_some_or_all() {
    for (shells, expected) in [
        (&[Posix, Bash, Mksh, Zsh][..], "z"),
        (&[Dash], "a] :]"),
        (&[Busybox], "z"),
        (&[Ksh93], ""),
    ] {
        for &shell in shells {
            let pattern = if shell == Dash { "[[:a:]]" } else { "[z[:hive:]]" };
            assert_eq!(matched(shell, pattern), expected, "{shell}");
        }
    }
    assert_eq!(matched(Busybox, "[![:hive:]]"), "");
    assert_eq!(matched(Bash, "[![:hive:]a]"), "z : . = [ ]");
}

#[test]
fn an_expression_may_end_elsewhere_behind_what_has_matched() {
    // Behind a match bash counts what opens, and finds no end.
    assert_eq!(matched(Bash, "[z[.]"), "");
    assert_eq!(matched(Bash, "[[:a]"), "a :");
    assert_eq!(matched(Bash, "[[=a]"), "a = [");
    assert_eq!(matched(Busybox, "[z[=]"), "= [");
}

#[test]
fn names_and_equivalents_stand_for_characters() {
    let line = "for v in - a ' ' '[' ']' Z ^; do case $v in [[.hyphen.]]) label h$v;; [[=[=]]) label e$v;; esac; done";
    check(
        line,
        &[(&[Bash], "h- e["), (&[Ksh93], "e[ e] eZ e^"), (&[Dash], ""), (&[Zsh], "")],
        "e[",
    );
}

#[test]
fn a_mistake_makes_a_whole_pattern_a_text_in_ksh93() {
    let line =
        "for v in '*[a' 'b[a' '[?'; do case $v in *[a) label \"$v\";; [?) label q;; esac; done";
    assert_eq!(told(Ksh93, line), "*[a q");
    assert_eq!(told(Bash, line), "*[a b[a q");
}

#[test]
fn groups_nest_brackets_in_ksh93() {
    assert_eq!(told(Ksh93, "case x in *([[a]b])) label y;; *) label n;; esac"), "n");
    for broken in ["label *([[a])", "label *(})", "label *(a])"] {
        assert_eq!(told(Ksh93, broken), "", "{broken}");
    }
}

#[test]
fn a_quoted_caret_negates_in_busybox() {
    let line = "for v in a b ^; do case $v in ['^'a]) label $v;; [\\^a]) label e$v;; esac; done";
    check(line, &[(&[Busybox], "ea b ^")], "a ^");
}

#[test]
fn empty_quotes_keep_an_argument_in_the_word_of_an_operation_but_not_at_its_end() {
    check("set -- ${u-a '' b ''}; label $#", &[(&[Ksh93], "3"), (&[Zsh], "1")], "4");
    check("set -- ${u-''}; label $#", &[(&[Ksh93], "0")], "1");
}

#[test]
fn bars_separate_suffixes_in_ksh93() {
    let line = "x=hivebar; label ${x%bar|baz} ${x#hive|jar}";
    check(line, &[(&[Ksh93], "hive,hivebar"), (&[Mksh], "hive,bar")], "hivebar,hivebar");
}

#[test]
fn many_brackets_that_nothing_closes_take_no_longer_than_their_text() {
    for piece in ["[", "[[:", "[z[.", "[a-", "[[=a=]"] {
        let line = format!("case x in {}) label y;; *) label n;; esac", piece.repeat(20_000));
        for shell in Shell::ALL {
            // zsh makes a mistake of it.
            assert_ne!(told(shell, &line), "y", "{shell}: {piece}");
        }
    }
}

proptest! {
    #[test]
    fn brackets_of_any_shape_match_without_end(
        pieces in prop::collection::vec(
            prop::sample::select(vec![
                "[", "]", "[:", ":]", "[.", ".]", "[=", "=]", "[:alpha:]", "[:hive:]", "a", "z", "-", "!", "^", "\\\\]", "*",
            ]),
            1..14,
        ),
        shell in prop::sample::select(Shell::ALL.to_vec()),
    ) {
        let line = format!("p='[{}]'; case a in $p) label y;; *) label n;; esac", pieces.concat());
        let said = told(shell, &line);
        prop_assert!(said == "y" || said == "n", "{}: {} says {}", shell, line, said);
    }

    #[test]
    fn a_bracket_without_openers_inside_holds_what_it_lists(
        listed in "[a-c]{1,4}",
        asked in "[a-e]",
        negated in any::<bool>(),
        shell in prop::sample::select(Shell::ALL.to_vec()),
    ) {
        let sign = if negated { "!" } else { "" };
        let line = format!("case {asked} in [{sign}{listed}]) label y;; *) label n;; esac");
        let expected = if listed.contains(&asked) != negated { "y" } else { "n" };
        prop_assert_eq!(told(shell, &line), expected);
    }
}
