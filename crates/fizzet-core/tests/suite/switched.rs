//! What options and utilities of zsh change for good or for a while: patterns, aliases, loops, declarations.

use crate::checked::{check, told};
use fizzet_core::dialect::Shell::Zsh;

/// What a line is told in zsh, behind options and without them.
fn with_and_without(options: &str, line: &str) -> (String, String) {
    (told(Zsh, &format!("setopt {options}; {line}")), told(Zsh, line))
}

#[test]
fn a_modifier_replaces_patterns_or_texts() {
    let line = "x=abcabc; label ${x:s/b?/Q/} ${x:gs/b?/Q/} ${x:s/#a/Q/} ${x:s/%c/Q/}";
    let (patterns, texts) = with_and_without("histsubstpattern", line);
    assert_eq!(patterns, "aQabc,aQaQ,Qbcabc,abcabQ");
    assert_eq!(texts, "abcabc,abcabc,abcabc,abcabc");
}

#[test]
fn the_latest_replacement_is_repeated() {
    assert_eq!(told(Zsh, "x=abcb; label ${x:s/b/Q/:&} ${x:&} ${x:g&}"), "aQcQ,aQcb,aQcQ");
    assert_eq!(told(Zsh, "x=abcb; (label ${x:s/b/Q/}); label ${x:&}"), "aQcb abcb");
}

#[test]
fn arguments_are_assignments_for_tildes_where_an_option_says_so() {
    let line = "HOME=/hive; v=x=~; label a=~ b:~ c=~:~ d==label $v";
    let (told, untold) = with_and_without("magicequalsubst noequals", line);
    assert_eq!(told, "a=/hive,b:~,c=/hive:/hive,d==label,x=~");
    assert_eq!(untold, "a=~,b:~,c=~:~,d==label,x=~");
}

#[test]
fn operators_of_patterns_can_be_switched_off() {
    let matches = |pattern: &str, text: &str| format!("[[ {text} = {pattern} ]]; label $?");
    for (operator, pattern, text, itself) in [
        ("*", "f*", "fg", "'f*'"),
        ("?", "f?", "fg", "'f?'"),
        ("[", "[fg]", "f", "'[fg]'"),
        ("(", "(f|g)", "f", "'(f|g)'"),
        ("<", "<1-9>", "5", "'<1-9>'"),
    ] {
        let test = |text| matches(pattern, text);
        assert_eq!(told(Zsh, &test(text)), "0", "{operator}");
        let off = format!("disable -p '{operator}'; {}; {}", test(text), test(itself));
        assert_eq!(told(Zsh, &off), "1 0", "{operator}");
        let on = format!("disable -p '{operator}'; enable -p '{operator}'; {}", test(text));
        assert_eq!(told(Zsh, &on), "0", "{operator}");
    }
}

#[test]
fn patterns_that_are_switched_off_can_be_a_function_s_own() {
    let line =
        |option| format!("f() {{ setopt {option}; disable -p '*'; }}; f; [[ ab = a* ]]; label $?");
    assert_eq!(told(Zsh, &line("localpatterns")), "0");
    assert_eq!(told(Zsh, &line("nolocalpatterns")), "1");
}

#[test]
fn an_alias_for_a_suffix_stands_before_the_command() {
    assert_eq!(
        told(Zsh, "alias -s jar='label open'; eval 'a/b.jar x; label b.jar'"),
        "open,a/b.jar,x b.jar"
    );
    assert_eq!(told(Zsh, "alias -s jar=label; eval .jar; label none"), "none");
    let line = "alias -s jar='label a;'; eval 'b.jar x; c.jar'; label done";
    assert_eq!(told(Zsh, line), "a a done");
    assert_eq!(told(Zsh, "alias -s jar=label; unalias -as; label ${#saliases}"), "0");
}

#[test]
fn reserved_words_are_no_aliases_where_an_option_says_so() {
    let line = "alias '!=label not'; eval '! label x'";
    assert_eq!(with_and_without("posixaliases", line), ("x".into(), "not,label,x".into()));
}

#[test]
fn breaks_stay_in_functions_where_an_option_says_so() {
    let line = "f() { break; }; for i in 1 2; do f; label $i; done";
    assert_eq!(with_and_without("localloops", line), ("1 2".into(), String::new()));
}

#[test]
fn what_is_only_marked_stays_unset_where_an_option_says_so() {
    let line = "readonly p; export q; label ${+p} ${+q}; f() { readonly r; label ${+r}; }; f";
    assert_eq!(with_and_without("posixbuiltins", line), ("0,0 0".into(), "1,1 1".into()));
}

#[test]
fn an_action_finds_the_commands_it_stands_before() {
    let line = "trap 'label \"[$ZSH_DEBUG_CMD]\"' DEBUG; x=1; for i in 1; do :; done";
    let loops = "for i in 1\ndo\n\t:\ndone";
    assert_eq!(told(Zsh, line), format!("[x=1 ] [{loops}] [:]"));
}

#[test]
fn lists_of_words_need_one_match_where_an_option_says_so() {
    // No file is there at all.
    let line = |words: &str| format!("setopt cshnullglob; label {words}; label after");
    assert_eq!(told(Zsh, &line("x y")), "x,y after");
    assert_eq!(told(Zsh, &line("x no*such")), "after");
    assert_eq!(told(Zsh, "setopt cshnullglob nullglob; label x no*such"), "x");
}

#[test]
fn the_words_of_a_text_are_read_in_ways_that_letters_say() {
    let line = |flags: &str| format!("x=$'a # b\\nc'; label ${{({flags})x}}");
    assert_eq!(told(Zsh, &line("z")), "a,#,b,;,c");
    assert_eq!(told(Zsh, &line("Z:c:")), "a,# b,;,c");
    assert_eq!(told(Zsh, &line("Z:C:")), "a,;,c");
    assert_eq!(told(Zsh, &line("Z:Cn:")), "a,c");
}

#[test]
fn a_brace_closes_behind_a_redirection_in_zsh() {
    assert_eq!(told(Zsh, "NULLCMD=label; { <<<a }; label x"), " x");
}

#[test]
fn emulations_set_options() {
    let line = "emulate csh; label $options[cshnullglob] $options[unset] $options[shwordsplit]";
    assert_eq!(told(Zsh, line), "on,off,off");
    let line = "emulate -R sh -c 'label ${options[banghist]}'; label ${options[banghist]}";
    assert_eq!(told(Zsh, line), "off on");
}

#[test]
fn ranges_and_searches_can_be_tested() {
    let line = "a=(1 2 3); [[ -v a[1,3] ]]; label $?; [[ -v a[1,4] ]]; label $?; [[ -v a[(i)2] ]]; label $?";
    assert_eq!(told(Zsh, line), "0 1 0");
}

#[test]
fn an_empty_end_of_a_range_is_a_mistake_in_zsh() {
    for index in ["", ",", "1,", ",2"] {
        let line = format!("x=abc; label ${{x[{index}]}}; label after");
        assert_eq!(told(Zsh, &line), "", "{index}");
    }
    check("label x; label after", &[], "x after");
}

#[test]
fn values_that_are_split_form_no_patterns_in_zsh() {
    let line = "x='no*such a'; set -- 'no*such b'; label $x $* $(echo 'no*such')";
    let (split, whole) = with_and_without("shwordsplit", line);
    assert_eq!(split, "no*such,a,no*such,b,no*such");
    assert_eq!(whole, "no*such a,no*such b,no*such");
}

#[test]
fn letters_of_options_are_those_of_sh_under_emulations() {
    let line =
        |emulation: &str| format!("{emulation}; set -fu; label $- $options[glob] $options[unset]");
    assert_eq!(told(Zsh, &line("setopt shoptionletters")), "bfu,off,off");
    assert_eq!(told(Zsh, "emulate sh; set -aC; label $-; set +C; label $-"), "Cab ab");
    // Under its own letters -f is about files that are read at the start.
    assert_eq!(told(Zsh, "set -f; label $options[glob]"), "on");
}

#[test]
fn values_form_patterns_but_are_not_split_under_globsubst() {
    let line = "y='a b'; label ${x-c d} $y ${x-$y} $(echo a b)";
    assert_eq!(told(Zsh, &format!("setopt globsubst; {line}")), "c d,a b,a b,a,b");
}
