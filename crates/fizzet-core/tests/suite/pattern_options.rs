//! Options in the patterns of ksh93, and what a match leaves behind.

use crate::labels::labels;
use fizzet_core::dialect::Shell::{Bash, Ksh93};
use proptest::prelude::*;

/// What a text tells: words with commas between them, commands with spaces.
fn told(text: &str) -> String {
    let all = labels(Ksh93, &format!("LC_ALL=C.UTF-8; {text}"), &[]);
    all.iter().map(|one| one.join(",")).collect::<Vec<_>>().join(" ")
}

fn check(text: &str, expected: &str) {
    assert_eq!(told(text), expected, "{text}");
}

#[test]
fn letters_may_be_the_same() {
    for (pattern, matches) in [
        ("~(i)HONEY", true),
        ("~(-i)HONEY", false),
        ("h~(i)ONEY", true),
        ("~(i:H)oney", true),
        ("~(i:H)ONEY", false),
        ("~(i)H~(-i)ONEY", false),
        ("@(~(i)HONEY|wax)", true),
        ("!(~(i)HONEY)", false),
        ("~(i)[A-Z]oney", true),
        ("'~(i)'HONEY", false),
        ("~(z)honey", false),
    ] {
        check(&format!("[[ honey == {pattern} ]]; label $?"), if matches { "0" } else { "1" });
    }
    check("p='~(i)HONEY'; case honey in $p) label yes;; esac", "yes");
}

#[test]
fn regular_expressions_match_anywhere() {
    check("[[ honey == ~(E)n+ ]]; label $?; [[ honey == ~(Elr)n+ ]]; label $?", "0 1");
    check("[[ honey == ~(E)^(h|b)on && honey == ~(E)ey$ ]]; label $? \"${.sh.match[@]}\"", "0,ey");
    check("[[ honey == ~(E)(h)(o) ]]; label \"${.sh.match[@]}\"", "ho,h,o");
    check(
        "x=abbcabbc; label ${x/~(E)b+/-} ${x//~(E)b+/-} ${x#~(E)b+} ${x##~(E)b+} ${x%~(E)b+}",
        "a-cabbc,a-ca-c,abcabbc,acabbc,abbcabc",
    );
    check("x=a.b; label ${x/~(F)./-} ${x/~(E)./-} ${x/~(E)\"[.]\"/-}", "a-b,-.b,a.b");
    check("x=aab; label ${x/~(E)\"a+\"/-} ${x/~(E)a\\+/-} ${x/~(E)'a*'/-}", "-b,-b,aab");
    check("x=abbc; label ${x/~(-g)b*/-} ${x/~(E:b)b/-} ${x/~(G)b\\{2\\}/-}", "a-bc,a-c,abbc");
}

#[test]
fn parentheses_and_bars_go_on_with_such_a_pattern() {
    check("[[ b == ~(E)a|b ]]; label $?; case b in ~(E)a|b) label yes;; esac", "0 yes");
    check("[[ hive == ~(E)(h|b)i ]]; label $?", "0");
    check("label ~(E)(h|b)i", "~(E)(h|b)i");
    for refused in ["[[ b == @(a)|b ]]", "label ~(E)^(a|b)"] {
        check(&format!("label a; {refused}"), "");
    }
}

#[test]
fn matches_are_kept() {
    check("[[ abc == @(a)*@(c) ]]; label \"${.sh.match[@]}\" ${#.sh.match[@]}", "abc,a,c,3");
    check(
        "[[ abc == @(a)* ]]; [[ abc == x* ]]; [[ abc == abc ]]; label \"${.sh.match[@]}\"",
        "abc,a",
    );
    check(
        "x=abcb; : ${x//@(b)/-}; label \"${.sh.match[@]}\"; : ${x#?}; label ${.sh.match}",
        "b,b a",
    );
    check("case abc in @(a)*) label \"${.sh.match[@]}\";; esac", "");
    check("[[ abc == @(a)* ]]; ([[ xyz == @(x)* ]]); label \"${.sh.match[@]}\"", "xyz,x");
    check("x=abc; label \"${x/@(b)/[${.sh.match[1]}]}\" ${x/@(a)@(b)/\\2\\1}", "a[b]c,bac");
}

#[test]
fn other_shells_know_none() {
    let all = labels(Bash, "x=honey; label ${x/~(i)HON/-}; [[ $x == ~(E)on ]]; label $?", &[]);
    assert!(all.is_empty() || all.iter().all(|one| one.concat() != "-ey"), "{all:?}");
}

/// A regular expression that both of the two ways of matching read.
fn expressions() -> impl Strategy<Value = String> {
    let leaf = prop::sample::select(vec!["a", "b", ".", "[ab]", "[^a]", "ab", "^", "$"]);
    let leaf = leaf.prop_map(String::from);
    leaf.prop_recursive(3, 12, 3, |inner| {
        prop_oneof![
            (inner.clone(), inner.clone()).prop_map(|(one, other)| one + &other),
            (inner.clone(), inner.clone()).prop_map(|(one, other)| format!("({one}|{other})")),
            (inner, prop::sample::select(vec!["*", "+", "?", "{1,2}"]))
                .prop_map(|(one, times)| format!("({one}){times}")),
        ]
    })
}

proptest! {
    /// The regular expressions of patterns and those of `=~` are read by two parts of this program: they agree.
    #[test]
    fn two_ways_of_matching_agree(expression in expressions(), text in "[ab]{0,5}") {
        let line = format!(
            "r='{expression}'; x='{text}'; [[ $x =~ $r ]]; one=$?; whole=${{.sh.match}}
            [[ $x == ~(E)$r ]]; label $((one == $?)); ((one)) || label \"$whole\" \"${{.sh.match}}\""
        );
        let all = labels(Ksh93, &line, &[]);
        prop_assert_eq!(&all[0][0], "1", "{}", line);
        if let Some([one, other]) = all.get(1).map(Vec::as_slice) {
            prop_assert_eq!(one, other, "{}", line);
        }
    }

    /// Letters of any size match those of any other behind `~(i)`, and nothing else does.
    #[test]
    fn size_does_not_matter(text in "[a-cA-C]{1,4}", pattern in "[a-cA-C]{1,4}") {
        let same = text.eq_ignore_ascii_case(&pattern);
        let line = format!("[[ {text} == ~(i){pattern} ]]; label $?; [[ {text} == {pattern} ]]; label $?");
        let expected = [same, text == pattern].map(|one| vec![u8::from(!one).to_string()]);
        prop_assert_eq!(labels(Ksh93, &line, &[]), expected, "{}", line);
    }
}
