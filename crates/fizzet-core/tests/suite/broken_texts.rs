//! Texts and patterns that are no UTF-8, characters by their numbers, and tildes behind equals signs.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;
use fizzet_core::dialect::Shell::{Bash, Busybox, Dash, Ksh93, Mksh, Posix, Zsh};

/// What a line is told where characters have several bytes.
fn told_in_utf8(shell: Shell, line: &str) -> String {
    let option = if shell == Mksh { "set -U" } else { "LC_ALL=C.UTF-8" };
    told(shell, &format!("{option}; {line}"))
}

#[test]
fn a_pattern_that_is_broken_matches_bytes_in_bash() {
    let line = "x=$'\\xe2\\x82\\xac'; case $x in *$'\\x82'*) label yes;; *) label no;; esac";
    assert_eq!(told_in_utf8(Bash, line), "yes");
    assert_eq!(told_in_utf8(Ksh93, line), "no");
    assert_eq!(told_in_utf8(Zsh, line), "no");
}

#[test]
fn a_text_that_is_broken_is_matched_by_bytes_in_bash() {
    let line = "case $'ä\\xff' in ??) label 2;; ???) label 3;; esac";
    assert_eq!(told_in_utf8(Bash, line), "3");
    assert_eq!(told_in_utf8(Zsh, line), "2");
}

#[test]
fn a_byte_of_a_character_separates_no_fields_where_characters_do() {
    let line = "IFS=$'\\xa4'; x=aäb; set -- $x; label $#";
    assert_eq!(told_in_utf8(Bash, line), "1");
    assert_eq!(told_in_utf8(Ksh93, line), "1");
    let stray = "IFS=ä; x=$'a\\xa4bäc'; set -- $x; label $#";
    assert_eq!(told_in_utf8(Bash, stray), "3");
    assert_eq!(told_in_utf8(Ksh93, stray), "2");
}

#[test]
fn a_suffix_never_cuts_a_character() {
    for shell in [Ksh93, Mksh, Zsh] {
        assert_eq!(told_in_utf8(shell, "x=ä; label ${#x} ${x%$'\\xa4'}"), "1,ä", "{shell}");
    }
}

#[test]
fn numbers_beyond_all_characters_are_nothing() {
    for shell in [Bash, Ksh93] {
        assert_eq!(told(shell, "label a$'\\U80000000'b"), "ab", "{shell}");
    }
    assert_eq!(told(Bash, "x=$(printf 'a\\U80000000b'); label $x ${#x}"), "ab,2");
    // Surrogates have the bytes that they would have, were they characters.
    assert_eq!(told_in_utf8(Bash, "x=$(printf '\\ud800'); LC_ALL=C; label ${#x}"), "3");
    // Where each byte is a character, they are told by their numbers.
    assert_eq!(told(Bash, "LC_ALL=C; x=$(printf '\\ud800'); label $x"), "\\uD800");
}

#[test]
fn lone_words_have_tildes_where_arguments_have_them() {
    let line = "HOME=/hive; case x=~ in x=/hive) label yes;; *) label no;; esac";
    check(line, &[(&[Bash, Mksh], "yes")], "no");
    let line = "HOME=/hive; [[ x=/hive = x=~ ]]; label $?";
    for (shell, status) in [(Bash, "0"), (Mksh, "0"), (Ksh93, "1"), (Zsh, "1")] {
        assert_eq!(told(shell, line), status, "{shell}");
    }
}

#[test]
fn a_sign_and_a_tilde_end_a_name_in_bash_until_a_tilde_is_assigned() {
    assert_eq!(
        told(Bash, "HOME=/h; label ~=~ a=~=~; x=~; label ~=~ a=~=~"),
        "/h=~,a=/h=/h ~=~,a=~=~"
    );
    for shell in [Posix, Dash, Busybox, Ksh93, Zsh] {
        assert_eq!(told(shell, "HOME=/h; label ~=~"), "~=~", "{shell}");
    }
}

#[test]
fn blanks_may_stand_before_a_list_in_some_shells() {
    let line = "a= (x y); label ${a[1]}";
    assert_eq!(told(Ksh93, line), "y");
    assert_eq!(told(Mksh, line), "y");
    assert_eq!(told(Bash, line), "");
    assert_eq!(told(Ksh93, "b=1 a= (x y); label ${a[1]}"), "y");
    assert_eq!(told(Mksh, "b=1 a= (x y); label ${a[1]}"), "");
}

#[test]
fn a_document_is_assigned_in_mksh() {
    let line = "x=<<E\na $((1+1))\nE\nlabel \"$x\"; x+=<<<b; label \"$x\"";
    assert_eq!(told(Mksh, line), "a 2\n a 2\nb\n");
    assert_eq!(told(Mksh, "x=<<\na\n<<\nlabel \"$x\""), "a\n");
}

#[test]
fn arrays_tell_of_aliases_and_programs_in_bash() {
    let line = "shopt -s expand_aliases; BASH_ALIASES+=([a]='label 1' [b]='label 2'); eval a; eval b; \
                alias c='label 3'; label \"${BASH_ALIASES[c]}\"; unset 'BASH_ALIASES[a]'; eval a";
    assert_eq!(told(Bash, line), "1 2 label 3 1");
    let line = "hash -p /shelf/jar jar; label ${BASH_CMDS[jar]}; BASH_CMDS[lid]=/lid; x=$(hash -t lid); label $? $x";
    assert_eq!(told(Bash, line), "/shelf/jar 0,/lid");
}

#[test]
fn options_that_local_keeps_bring_their_variables_back() {
    let line = |inside: &str| {
        format!("IGNOREEOF=7; f() {{ local -; {inside}; }}; f; label \"[$IGNOREEOF]\"")
    };
    assert_eq!(told(Bash, &line(":")), "[7]");
    assert_eq!(told(Bash, &line("set +o ignoreeof")), "[10]");
}

#[test]
fn digits_behind_a_zero_that_are_not_octal_are_decimal_in_ksh93() {
    let line = "set -o posix; label $((010)) $((08)) $((019)); label after";
    assert_eq!(told(Ksh93, line), "8,8,19 after");
    assert_eq!(told(Mksh, "label $((08)) $((010))"), "8,10");
    assert_eq!(told(Bash, "label $((08)); label after"), "");
}
