//! Here-documents: where they and the expansions in them end, and what becomes of those that nothing ends.

use crate::files::check;
use crate::labels::labels;
use fizzet_core::dialect::Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Zsh};

/// A line of a here-document, read as it comes.
fn line_of(document: &str) -> String {
    format!("x=lime; IFS= read -r l <<E\n{document}\nE\nlabel \"$l\" $?")
}

#[test]
fn quotes_of_ksh93_pair_before_the_first_brace_counts() {
    check(&[Ksh93], &line_of("k ${x+'}'} m"), "k ' m,0");
    check(&[Ksh93], &line_of("${u-a'b}c'd} e"), "a'b e,0");
    check(&[Dash, Mksh, Zsh], &line_of("${u-a'b}c'd} e"), "a'bc'd} e,0");
    check(&[Bash], &line_of("${u-a'b}c'd} e"), "a'b}c'd e,0");
    check(&[Ksh93], &line_of("${u-'a'} \"$x\""), "'a' \"lime\",0");
}

#[test]
fn a_lone_quote_in_braces_is_a_mistake_in_ksh93() {
    let text = "x=lime; read -r l <<E\n${x+it's}\nE\nlabel \"$l\"";
    check(&[Ksh93], text, "");
    check(&[Dash, Busybox, Mksh, Zsh], text, "it's");
}

#[test]
fn an_empty_delimiter_opens_nothing_in_ksh93() {
    let text = "label a\nlabel b <<\"\"; label c\nhive\n\nlabel d";
    check(&[Ksh93], text, "a c");
    check(&[Bash, Dash, Mksh, Zsh], text, "a b c d");
}

#[test]
fn a_document_left_open_behind_a_compound_command_is_refused_by_ksh93() {
    let text = "label a\n{ read l; label $l; } <<E\nhive";
    check(&[Ksh93], text, "a");
    check(&[Bash, Dash, Busybox, Zsh], text, "a hive");
    check(&[Ksh93], "label a\nread l <<E; { label b; }\nhive", "a");
    check(&[Ksh93], "label a\n{ read l; label $l; } <<E;\nhive", "a hive");
    check(&[Ksh93], "label a\n{ read l; label $l; } <<E\nhive\nE\n", "a hive");
}

#[test]
fn the_last_line_of_a_document_left_open_ends_in_bash() {
    let text = "eval 'read l <<E\nhive'; label $? $l";
    check(&[Bash], text, "0,hive");
    check(&[Dash, Busybox, Ksh93, Zsh], text, "1,hive");
    assert_eq!(labels(Bash, text, &[]), [["0", "hive"]]);
}
