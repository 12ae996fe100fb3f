//! `--allow-run`: programs get the vectors that Fizzet computed, and files are written.

use std::fs;

use crate::program::Run;

/// A script that needs programs for its words, its conditions and its files.
const PRESS: &str = r#"
first=$(printf 'lime honey\nheather\n' | sort | sed -n 1p)
printf '%s\n' b a >list.txt
sort list.txt >sorted.txt
read -r least <sorted.txt
export batch=May
sh -c 'echo "$0 $# $1 $batch"; exit 4' press 'two words'
label $? "$first" "$least"
x=$(sh -c 'echo lid >&2; echo jar' 2>&1)
y=$(sh -c 'echo lid >&2; echo jar' 2>/dev/null)
z=$(cat <sorted.txt)
nosuchprogram || label missing $?
label "$x" "$y" "$z"
"#;

/// With programs on PATH.
fn of(words: &[&str]) -> Run {
    Run::of(words).env("PATH", "/usr/bin:/bin")
}

fn vectors(printed: &str) -> Vec<Vec<String>> {
    let events = printed.lines().map(|line| serde_json::from_str(line).unwrap());
    let commands = events.filter(|event: &serde_json::Value| event["event"] == "command");
    let argv = |event: serde_json::Value| {
        let words = event["argv"].as_array().unwrap().clone();
        words.iter().map(|word| word["text"].as_str().unwrap().to_owned()).collect()
    };
    commands.map(argv).collect()
}

#[test]
fn programs_are_run_and_files_written_only_where_that_is_allowed() {
    let folder = tempfile::tempdir().unwrap();
    let dir = folder.path().to_str().unwrap();
    let script = folder.path().join("press.sh");
    fs::write(&script, PRESS).unwrap();
    let script = script.to_str().unwrap();
    let walk = ["walk", "--format", "json", "--dir", dir];
    let allowed = of(&[&walk[..], &["--allow-run", script]].concat());
    let found = vectors(&allowed.output());
    let labels: Vec<&Vec<String>> =
        found.iter().filter(|argv| argv.first().is_some_and(|name| name == "label")).collect();
    assert_eq!(labels[0][1..], ["4", "heather", "a"]);
    assert_eq!(labels[1][1..], ["missing", "127"]);
    assert_eq!(labels[2][1..], ["lid\njar", "jar", "a\nb"]);
    assert_eq!(fs::read_to_string(folder.path().join("sorted.txt")).unwrap(), "a\nb\n");

    fs::remove_file(folder.path().join("sorted.txt")).unwrap();
    fs::remove_file(folder.path().join("list.txt")).unwrap();
    of(&[&walk[..], &[script]].concat()).status(3);
    assert!(!folder.path().join("list.txt").exists());
}

#[test]
fn what_programs_print_is_shown_and_their_status_counts() {
    let line = "sh -c 'printf jar; exit 3' || label $?";
    let printed = of(&["line", "--format", "nul", "--allow-run", line]).output();
    assert_eq!(printed, "label\u{0}3\u{0}");
}

#[test]
fn answers_come_before_runs_and_exec_ends_the_script() {
    let line = "exec sh -c 'exit 5'; label no";
    let printed = of(&["line", "--format", "nul", "--allow-run", line]).output();
    assert_eq!(printed, "sh\u{0}-c\u{0}exit 5\u{0}");
    let line = "label \"$(sh -c 'echo real')\"";
    let answer = "sh -c echo real=told";
    let words = ["line", "--format", "nul", "--allow-run", "--answer", answer, line];
    assert_eq!(of(&words).output(), "label\u{0}told\u{0}");
}

#[test]
fn what_was_written_in_memory_is_found_again() {
    let folder = tempfile::tempdir().unwrap();
    fs::write(folder.path().join("jar.txt"), "old\n").unwrap();
    let dir = folder.path().to_str().unwrap();
    let line = "echo 'lime honey' >>jar.txt; echo new >lid.txt; while read -r x; do set -- \"$@\" \"$x\"; done <jar.txt; [ -s lid.txt ]; label $? \"$@\" *.txt";
    let printed = of(&["line", "--format", "nul", "--dir", dir, line]).output();
    assert_eq!(printed, "label\u{0}0\u{0}old\u{0}lime honey\u{0}jar.txt\u{0}lid.txt\u{0}");
    assert_eq!(fs::read_to_string(folder.path().join("jar.txt")).unwrap(), "old\n");
}

#[test]
fn a_coprocess_that_waits_runs_its_programs_once() {
    let folder = tempfile::tempdir().unwrap();
    let dir = folder.path().to_str().unwrap();
    let line = "coproc { sh -c 'echo jar >>log' </dev/null; read x; echo \"<$x>\" >>log; sort; }; \
        echo lime >&${COPROC[1]}; read -t 1 y <&${COPROC[0]}; \
        printf 'b\\na\\n' >&${COPROC[1]}; exec {COPROC[1]}>&-; \
        mapfile -t l <&${COPROC[0]}; label \"${l[@]}\"";
    let words = ["line", "--format", "nul", "--shell", "bash", "--dir", dir, "--allow-run", line];
    let printed = of(&words).output();
    assert!(printed.ends_with("label\u{0}a\u{0}b\u{0}"), "{printed:?}");
    assert_eq!(fs::read_to_string(folder.path().join("log")).unwrap(), "jar\n<lime>\n");
}

#[test]
fn running_for_every_shell_is_refused() {
    let said = of(&["line", "--allow-run", "--shell", "all", "label"]).says(2);
    assert!(said.contains("name one shell"), "{said}");
}

/// A script that goes to a folder, and names a file after its own process.
const MOVED: &str = r#"
mkdir combs && cd combs
printf lid >jar.$$
touch three.txt
label "$(sh -c 'echo $PPID')" $$ *
cd ..
label combs/* "$(cd combs && ls)"
"#;

#[test]
fn programs_begin_in_the_folder_that_cd_has_gone_to_and_know_the_shell_by_its_number() {
    let folder = tempfile::tempdir().unwrap();
    let dir = folder.path().to_str().unwrap();
    let script = folder.path().join("moved.sh");
    fs::write(&script, MOVED).unwrap();
    let script = script.to_str().unwrap();
    let walk = ["walk", "--format", "json", "--dir", dir, "--allow-run", script];
    let found = vectors(&of(&walk).output());
    let labels: Vec<&Vec<String>> =
        found.iter().filter(|argv| argv.first().is_some_and(|name| name == "label")).collect();
    let jar = format!("jar.{}", labels[0][2]);
    assert_eq!(labels[0][1], labels[0][2]);
    assert_eq!(labels[0][3..], [jar.clone(), "three.txt".into()]);
    let there = [format!("combs/{jar}"), "combs/three.txt".into(), format!("{jar}\nthree.txt")];
    assert_eq!(labels[1][1..], there);
    of(&["line", "label $$"]).status(3);
}

#[test]
fn programs_read_what_process_substitutions_print_under_the_names_of_the_shell() {
    let line =
        "sh -c 'label=$(cat \"$1\" \"$2\"); echo \"$1 $2\" $label' sh <(echo lime) <(echo lid)";
    for (shell, names) in [
        ("bash", "/dev/fd/63 /dev/fd/62"),
        ("ksh93", "/dev/fd/3 /dev/fd/4"),
        ("zsh", "/proc/self/fd/12 /proc/self/fd/13"),
    ] {
        let line = format!("label \"$({line})\"");
        let words = ["line", "--format", "nul", "--allow-run", "--shell", shell, &line];
        assert_eq!(of(&words).output(), format!("label\0{names} lime lid\0"), "{shell}");
    }
    // What one program has read is gone for the next.
    let line = "f() { cat \"$1\" \"$1\"; cat \"$1\"; echo end; }; label \"$(f <(echo lime))\"";
    assert_eq!(
        of(&["line", "--format", "nul", "--allow-run", line]).output(),
        "label\0lime\nend\0"
    );
    // Without programs that may run, nobody hands the names out.
    assert_eq!(of(&["line", "--format", "nul", "label <(echo lime)"]).status(3).stdout, b"");
}

#[test]
fn a_program_leaves_the_input_of_a_loop_that_it_does_not_read() {
    let line =
        "printf 'lime\\nlid\\njar\\n' | while read -r x; do sh -c 'exit 0'; echo \"$x\"; done";
    let line = format!("label \"$({line})\" \"$(printf 'a\\nb\\n' | {{ read -r x; cat; }})\"");
    let printed = of(&["line", "--format", "nul", "--allow-run", &line]).output();
    assert_eq!(printed, "label\0lime\nlid\njar\0b\0");
}

#[test]
fn functions_and_odd_strings_go_through_the_environment() {
    let line = "lid() { printf '%s:' \"$@\"; }; export -f lid; bash -c 'lid lime heather'; \
                env | sed -n 's/^hive-1=/hive /p'; label \"$(jar honey)\"";
    let jar = "() {  printf '<%s>' \"$1\"\n}";
    let folder = tempfile::tempdir().unwrap();
    let script = folder.path().join("send.sh");
    fs::write(&script, line).unwrap();
    let script = script.to_str().unwrap();
    let run = of(&["walk", "--shell", "bash", "--allow-run", "--format", "json", script]);
    let run = run.env("BASH_FUNC_jar%%", jar).env("hive-1", "full");
    let printed = run.output();
    assert!(printed.contains(r#""text":"lime:heather:""#), "{printed}");
    assert!(printed.contains(r#""text":"hive full\n""#), "{printed}");
    let found = vectors(&printed);
    assert_eq!(found.last().unwrap(), &["label", "<honey>"]);
}

#[test]
fn text_behind_the_definition_of_a_function_is_not_carried_out() {
    let text = "() { :; }; label no";
    let line = "lid; label $?";
    let printed = of(&["line", "--format", "nul", line]).env("BASH_FUNC_lid%%", text).any_status();
    assert!(!String::from_utf8_lossy(&printed.stdout).contains("no"));
}

#[test]
fn a_program_is_found_from_the_folder_that_the_script_has_gone_to() {
    let folder = tempfile::tempdir().unwrap();
    let yard = folder.path().join("yard");
    fs::create_dir(&yard).unwrap();
    let text = "mkdir shed; cd shed\nprintf '#!/bin/sh\\necho \"$0 $1\"\\n' >press\n\
                chmod 755 press; ./press lid; ../shed/press jar\n";
    fs::write(folder.path().join("walk.sh"), text).unwrap();
    for (begins, dir) in [(folder.path(), "yard"), (&yard, ".")] {
        let script = folder.path().join("walk.sh");
        let words =
            ["walk", "--allow-run", "--format", "json", "--dir", dir, script.to_str().unwrap()];
        let printed = of(&words).within(begins).output();
        assert!(printed.contains(r#""text":"./press lid\n""#), "{printed}");
        assert!(printed.contains(r#""text":"../shed/press jar\n""#), "{printed}");
        fs::remove_dir_all(yard.join("shed")).unwrap();
    }
}

#[test]
fn a_program_that_prints_for_ever_ends_when_the_next_one_has_read_enough() {
    for (line, word) in [
        ("yes jar | head -n 1", "jar"),
        ("yes jar | cat | head -n 1", "jar"),
        ("tr -dc j </dev/urandom | head -c 3", "jjj"),
        ("yes jar | { read -r x; read -r y; echo \"$x $y\"; }", "jar jar"),
        ("set -o pipefail; yes | head -n 1; echo $?", "y\n141"),
    ] {
        let line = format!("label \"$({line})\"");
        let printed = of(&["line", "--format", "nul", "--allow-run", &line]).output();
        assert_eq!(printed, format!("label\0{word}\0"), "{line}");
    }
}

#[test]
fn what_nobody_can_read_to_its_end_stops_at_the_limit() {
    let folder = tempfile::tempdir().unwrap();
    let script = folder.path().join("count.sh");
    fs::write(&script, "yes jar | wc -c\nlabel never\n").unwrap();
    let script = script.to_str().unwrap();
    let ran = of(&["walk", "--allow-run", "--format", "json", "--max-bytes", "100000", script]);
    let printed = String::from_utf8(ran.status(4).stdout).unwrap();
    assert!(!printed.contains("\"output\""), "{printed}");
    assert!(!printed.contains("never"), "{printed}");
}

#[test]
fn what_a_program_could_not_write_is_no_fault_of_the_next_utility() {
    let line = "hive >/dev/full; pwd >/dev/null; label $?";
    let printed = of(&["line", "--format", "nul", "--answer", "hive=a", line]).output();
    assert!(printed.ends_with(&["label", "0", ""].join("\0")), "{printed:?}");
}
