//! What `read` fills, and what it leaves alone.

use crate::checked::{check, told};
use crate::labels::labels;
use fizzet_core::dialect::Shell::{self, Bash, Busybox, Dash, Ksh93, Mksh, Zsh};
use proptest::prelude::*;

/// The value of one name that a text is read into, where IFS is a backslash.
fn read_with_backslash(shell: Shell, text: &str) -> String {
    let line = format!("IFS='\\'; read jar <<'E'\n{text}\nE\nlabel \"$jar\"");
    labels(shell, &line, &[])[0][0].clone()
}

/// A text whose backslashes quote the characters behind them.
fn unquoted(text: &str) -> String {
    let mut characters = text.chars();
    let mut made = String::new();
    while let Some(one) = characters.next() {
        match one {
            '\\' => made.extend(characters.next()),
            _ => made.push(one),
        }
    }
    made
}

#[test]
fn names_beside_an_array_stay_or_become_empty() {
    let line = "b=old; read -A a b c <<< 'lid jar'; label $? \"${a[@]}\" \"${b-un}\" \"${c-un}\"";
    assert_eq!(told(Ksh93, line), "0,lid,jar,,");
    assert_eq!(told(Mksh, line), "2,old,un");
    assert_eq!(told(Zsh, line), "1,,old,un");
    let line = "b=old; read -a a b 1x <<< 'lid jar'; label $? \"${a[@]}\" $b";
    assert_eq!(told(Bash, line), "0,lid,jar,old");
}

#[test]
fn an_element_is_a_place_for_one_field_or_the_array() {
    let line = "a=(x y z); read -A 'a[1]' <<< 'lid jar'; label $? ${a[@]}";
    assert_eq!(told(Ksh93, line), "0,lid,jar,z");
    assert_eq!(told(Mksh, line), "2,x,lid,z");
}

#[test]
fn counted_reads_of_ksh93_fill_one_name() {
    let line = "b=old; read -n 3 a b 1x <<< 'lids jar'; label $? \"$a\" \"$b\"";
    assert_eq!(told(Ksh93, line), "0,lid,old");
    let line = "{ read -N 20 a; label $? \"$a\"; read b; label \"$b\"; } <<< 'lid jar'";
    assert_eq!(told(Ksh93, line), "1, lid jar");
    assert_eq!(told(Bash, line), "1,lid jar\n ");
}

#[test]
fn elements_are_no_names_where_there_are_no_arrays() {
    let line = "read 'a[1]' <<E\nlid\nE\nlabel $?";
    check(line, &[(&[Dash], "2"), (&[Busybox, Shell::Posix], "1")], "0");
}

#[test]
fn mistakes_in_an_index_end_what_they_end() {
    let line = "read b 'a[1/0]' <<< 'lid jar'; label $? $b";
    assert_eq!(told(Ksh93, line), "1,lid");
    assert_eq!(told(Mksh, line), "");
}

#[test]
fn a_list_of_zsh_fills_keys_and_values_in_turn() {
    let line = "typeset -A a; read -A a <<< 'lid 1 jar 2'; label ${a[lid]} ${a[jar]}";
    assert_eq!(told(Zsh, line), "1,2");
    let line = "typeset -A a; read -A a <<< 'lid 1 jar'; label no";
    assert_eq!(told(Zsh, line), "");
    let line = "typeset -A a; a[k]=v; read -a a <<< 'lid jar'; label $? ${a[k]}";
    assert_eq!(told(Bash, line), "1,v");
}

#[test]
fn a_backslash_that_separates_may_join_lines() {
    assert_eq!(read_with_backslash(Mksh, "lid\\\njar"), "lidjar");
    assert_eq!(read_with_backslash(Zsh, "lid\\\njar"), "lidjar");
    assert_eq!(read_with_backslash(Ksh93, "lid\\\njar"), "lid");
}

proptest! {
    /// What is left for the only name has no backslashes but those that others quote, in whatever pieces the text
    /// has been made.
    #[test]
    fn backslashes_quote_in_what_is_left(text in r"[a-c]([a-c]|\\[a-c\\]){0,6}[a-c]") {
        prop_assert_eq!(read_with_backslash(Zsh, &text), unquoted(&text));
        let printed = text.replace('\\', "\\\\");
        let line = format!("IFS='\\'; printf '{printed}\\n' | {{ read jar; label \"$jar\"; }}");
        prop_assert_eq!(told(Zsh, &line), unquoted(&text));
    }

    /// Fields beyond the names stay together, and names beyond the fields become empty, in every shell.
    #[test]
    fn names_and_fields_meet_alike(fields in prop::collection::vec("[a-c]{1,3}", 1..5), names in 1usize..5) {
        let line: Vec<String> = (0..names).map(|at| format!("n{at}")).collect();
        let shown: Vec<String> = line.iter().map(|name| format!("\"${{{name}}}\"")).collect();
        let text = format!(
            "read -r {} <<E\n{}\nE\nlabel {}",
            line.join(" "), fields.join(" "), shown.join(" ")
        );
        let mut expected: Vec<String> = fields.iter().take(names - 1).cloned().collect();
        expected.push(fields.get(names - 1..).unwrap_or_default().join(" "));
        expected.resize(names, String::new());
        for shell in Shell::ALL {
            prop_assert_eq!(&labels(shell, &text, &[])[0], &expected, "{}", shell);
        }
    }
}
