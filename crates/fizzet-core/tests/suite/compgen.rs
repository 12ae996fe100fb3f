//! What `compgen` of bash makes.

use crate::labels::labels;
use fizzet_core::dialect::Shell::Bash;
use proptest::prelude::*;

/// The lines that `compgen` prints, with bars between them.
fn made(before: &str, arguments: &str) -> String {
    let text = format!("{before}; label \"$(compgen {arguments})\"");
    labels(Bash, &text, &[]).pop().unwrap_or_default().join(" ").replace('\n', "|")
}

/// Its status.
fn status(arguments: &str) -> String {
    labels(Bash, &format!("compgen {arguments}; label $?"), &[]).concat().concat()
}

#[test]
fn words_are_expanded_and_begin_as_asked() {
    assert_eq!(made(":", "-W 'lime honey label' -- l"), "lime|label");
    assert_eq!(made("jar=lime", r#"-W '"a b" c\ d $jar $((1+2)) {p,q}'"#), "a b|c d|lime|3|p|q");
    assert_eq!(made("IFS=:", r#"-W 'p q:r:"s:t"'"#), "p q|r|s:t");
    assert_eq!(made(":", "-P '<' -S '>' -W 'a b'"), "<a>|<b>");
}

#[test]
fn names_of_each_kind_are_told() {
    let functions = "hive() { :; }; hives() { :; }; jar() { :; }";
    assert_eq!(made(functions, "-A function hi"), "hive|hives");
    assert_eq!(made("jars=1 jarlist=2 jam=3", "-v jar"), "jarlist|jars");
    assert_eq!(made("alias hv=x jx=y", "-a"), "hv|jx");
    assert_eq!(made(":", "-k wh"), "while");
    assert_eq!(made(":", "-b le"), "let");
    assert_eq!(made("enable -n printf", "-A disabled"), "printf");
    assert_eq!(made("hives=(1) hive=2", "-A arrayvar hiv"), "hives");
}

#[test]
fn a_pattern_leaves_out_what_it_matches() {
    assert_eq!(made(":", "-X 'l*' -W 'lime honey'"), "honey");
    assert_eq!(made(":", "-X '!l*' -W 'lime honey'"), "lime");
    assert_eq!(made(":", "-X '&' -W 'lime limes' lime"), "limes");
}

#[test]
fn the_status_tells_whether_there_was_anything() {
    for (arguments, expected) in [
        ("-W 'a b' a", "0"),
        ("-W 'a b' z", "1"),
        ("-G 'nosuch*'", "1"),
        ("-A function", "1"),
        ("", "0"),
        ("-- z", "0"),
        ("-A nosuch", "2"),
        ("-y", "2"),
        ("-W", "2"),
    ] {
        assert_eq!(status(arguments), expected, "compgen {arguments}");
    }
}

proptest! {
    #[test]
    fn plain_words_come_as_they_are(words in prop::collection::vec("[a-z0-9]{1,6}", 1..6), prefix in "[a-z]?") {
        let fitting: Vec<&str> =
            words.iter().map(String::as_str).filter(|word| word.starts_with(&prefix)).collect();
        let arguments = format!("-W '{}' -- '{prefix}'", words.join(" "));
        prop_assert_eq!(made(":", &arguments), fitting.join("|"));
    }
}
