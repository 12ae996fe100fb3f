//! `$_`: what a command leaves of its arguments.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::{self, Bash, Zsh};

/// What the `label` of a line is given in bash and in zsh, the shells that keep `$_`.
fn leaves(line: &str, bash: &str, zsh: &str) {
    for (shell, expected) in [(Bash, bash), (Zsh, zsh)] {
        assert_eq!(told(shell, line), expected, "{shell}: {line}");
    }
}

#[test]
fn the_last_argument_is_left() {
    leaves(": lime dark; label \"$_\"", "dark", "dark");
    leaves(":; label \"$_\"", ":", ":");
    leaves(": lime ''; label \"[$_]\"", "[]", "[]");
    leaves("f() { : lid; }; f jar; label \"$_\"", "jar", "jar");
    leaves("f() { label \"$_\"; }; : lid; f jar", "lid", "jar");
}

#[test]
fn assignments_leave_nothing() {
    leaves(": lime; x=1; label \"[$_]\"", "[]", "[]");
    leaves(": lime; x=1 y=2; label \"[$_]\"", "[]", "[]");
    leaves(": lime; x=(1); label \"[$_]\"", "[]", "[lime]");
    leaves(": lime; x=1 :; label \"$_\"", ":", ":");
}

#[test]
fn zsh_forgets_it_as_a_compound_command_begins() {
    leaves(": lime; for i in 1; do label \"[$_]\"; done", "[lime]", "[]");
    leaves(": lime; { label \"[$_]\"; }", "[lime]", "[]");
    leaves(": lime; case $_ in lime) label yes;; *) label no;; esac", "yes", "no");
    leaves(": lime; (( 1 )); label \"[$_]\"", "[lime]", "[lime]");
    leaves(": lime; ! (( 0 )); label \"[$_]\"", "[lime]", "[]");
    leaves(": lime; f() { :; }; label \"[$_]\"", "[lime]", "[]");
}

#[test]
fn declarations_leave_what_stands_before_their_assignments() {
    leaves(": lime; typeset x=1; label \"$_\"", "x=1", "typeset");
    leaves(": lime; typeset -a x=(1 2); label \"$_\"", "x", "-a");
    leaves(": lime; 'export' x=1; label \"$_\"", "x=1", "x=1");
}

#[test]
fn bash_takes_what_is_assigned_to_it_until_the_next_command() {
    leaves("for _ in lime dark; do label \"$_\"; done", "lime dark", " ");
    leaves("unset _; label \"$_\"", "_", "");
}

#[test]
fn other_shells_have_a_variable_like_others() {
    check("_=lime; label \"[$_]\"", &[(&[Bash, Zsh], "[]")], &told(Shell::Dash, "label '[lime]'"));
}
