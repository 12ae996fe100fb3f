//! `fizzet view`: the vector as each runtime shows it.

use serde_json::Value;

use crate::program::Run;

fn document(words: &[&str]) -> Value {
    serde_json::from_slice(&Run::of(words).status(0).stdout).unwrap()
}

#[test]
fn every_runtime_has_its_names_and_counts() {
    let told = document(&["view", "--format", "json", "lime honey", "", "-x"]);
    let runtimes = told["runtimes"].as_array().unwrap();
    let of = |name: &str| runtimes.iter().find(|one| one["runtime"] == name).unwrap();
    let facts = |name: &str| {
        let one = of(name);
        let names: Vec<&str> = one["vector"]
            .as_array()
            .unwrap()
            .iter()
            .map(|one| one["name"].as_str().unwrap())
            .collect();
        (one["first"].as_i64().unwrap(), one["count"].as_i64().unwrap(), names.join(" "))
    };
    assert_eq!(facts("c"), (1, 4, "argv[0] argv[1] argv[2] argv[3]".into()));
    assert_eq!(facts("java"), (0, 3, "args[0] args[1] args[2]".into()));
    assert_eq!(facts("perl"), (0, 3, "$0 $ARGV[0] $ARGV[1] $ARGV[2]".into()));
    let node = facts("node");
    assert_eq!((node.0, node.1), (2, 5));
    assert_eq!(of("python")["vector"][1]["text"], "lime honey");
}

#[test]
fn a_launch_goes_through_the_shell_and_the_kernel() {
    let folder = tempfile::tempdir().unwrap();
    std::fs::write(folder.path().join("press.py"), "").unwrap();
    let words = [
        "view",
        "--format",
        "json",
        "--launch",
        "python3 -u -W ignore press.py $1 \"$1\"",
        "lime honey",
    ];
    let printed = Run::of(&words).within(folder.path()).status(0).stdout;
    let told: Value = serde_json::from_slice(&printed).unwrap();
    let python = &told["runtimes"][0];
    assert_eq!(python["runtime"], "python");
    assert_eq!(python["count"], 4);
    let texts = |key: &str| -> Vec<String> {
        python[key]
            .as_array()
            .unwrap()
            .iter()
            .map(|one| one["text"].as_str().unwrap().to_owned())
            .collect()
    };
    assert_eq!(texts("taken"), ["-u", "-W", "ignore", "press.py"]);
    assert_eq!(texts("vector"), ["press.py", "lime", "honey", "lime honey"]);
    let refused =
        Run::of(&["view", "--launch", "python3 -z press.py"]).within(folder.path()).prints();
    assert!(refused.contains("no program runs, status 2"), "{refused}");
    Run::of(&["view", "--launch", "python3 press.py $(weigh)"]).within(folder.path()).status(3);
    Run::of(&["view", "--launch", "'"]).status(2);
    Run::of(&["view", "--launch", "x=1"]).status(2);
}

#[test]
fn bytes_that_are_no_text_are_told() {
    use std::ffi::OsStr;
    use std::os::unix::ffi::OsStrExt;
    let words = ["view", "--format", "json"].map(OsStr::new).into_iter();
    let words: Vec<&OsStr> = words.chain([OsStr::from_bytes(b"a\xff")]).collect();
    let told: Value = serde_json::from_slice(&Run::of(&words).status(0).stdout).unwrap();
    let runtimes = told["runtimes"].as_array().unwrap();
    let last = |name: &str| {
        let one = runtimes.iter().find(|one| one["runtime"] == name).unwrap();
        one["vector"].as_array().unwrap().last().unwrap().clone()
    };
    assert_eq!(last("c")["hex"], "61ff");
    assert_eq!(last("rust")["refused"], true);
    assert_eq!(last("node")["changed"], true);
    assert_eq!(last("node")["text"], "a\u{fffd}");
}

#[test]
fn a_missing_argument_is_what_the_language_makes_of_it() {
    let told = document(&["view", "--format", "json", "--read", "2", "lime"]);
    let of = |name: &str| {
        let all = told["runtimes"].as_array().unwrap();
        all.iter().find(|one| one["runtime"] == name).unwrap()["readings"][0].clone()
    };
    assert_eq!(of("python")["error"], "IndexError");
    assert_eq!(of("c")["error"], "SIGSEGV");
    assert_eq!(of("node")["nothing"], "undefined");
    assert_eq!(of("sh")["nothing"], "empty");
    assert_eq!(of("go")["status"], 2);
    let printed = Run::of(&["view", "--read-all", "3", "--runtime", "java", "lime"]).prints();
    assert!(printed.contains("Index 1 out of"), "{printed}");
    assert!(!printed.contains("args[2]"), "nothing is read behind the error: {printed}");
}

#[test]
fn a_language_without_a_conversion_is_named() {
    let told = |runtime: &str, kind: &str| {
        Run::of(&["view", "--runtime", runtime, "--as", kind, "1.5"]).prints()
    };
    assert!(told("bash", "float").contains("no conversion to float is known for: bash"));
    assert!(told("ksh93", "float").contains("$(($1))         1.5"));
    assert!(told("zsh", "float").contains("$(($1))         1.5"));
    assert!(told("tcl", "int").contains("no conversion to int is known for: tcl"));
    assert!(!told("python", "float").contains("no conversion"));
}

#[test]
fn conversions_are_told_for_each_argument() {
    let told = document(&["view", "--format", "json", "--as", "int,float", "12abc", " 0x1f"]);
    let all: Vec<&Value> = told["runtimes"]
        .as_array()
        .unwrap()
        .iter()
        .flat_map(|one| one["conversions"].as_array().into_iter().flatten())
        .collect();
    let of = |index: i64, form: &str| {
        *all.iter().find(|one| one["index"] == index && one["form"] == form).unwrap()
    };
    assert_eq!(of(1, "atoi(s)")["value"], "12");
    assert_eq!(of(1, "strtol(s, &end, 10)")["stops"], 2);
    assert_eq!(of(1, "int(s)")["error"], "ValueError");
    assert_eq!(of(2, "strtod(s, &end)")["value"], "31");
    assert_eq!(of(2, "parseInt(s)")["value"], "31");
    assert_eq!(of(2, "$(($1))")["value"], "31");
}

#[test]
fn receivers_prove_it() {
    let printed = Run::of(&["view", "--prove", "--runtime", "sh", "lime honey", ""])
        .env("PATH", "/usr/bin:/bin")
        .prints();
    assert!(printed.contains("1 of 1 receivers saw exactly what is predicted"), "{printed}");
}

#[test]
fn a_runtime_that_a_script_wraps_is_still_that_runtime() {
    use std::os::unix::fs::PermissionsExt;
    let folder = tempfile::tempdir().unwrap();
    for (name, content) in
        [("python3", "#!/bin/sh\n"), ("press.py", "#!/usr/bin/env -S python3 -u\n")]
    {
        let path = folder.path().join(name);
        std::fs::write(&path, content).unwrap();
        std::fs::set_permissions(path, std::fs::Permissions::from_mode(0o755)).unwrap();
    }
    let printed = Run::of(&["view", "--launch", "./press.py 'lime honey'"])
        .within(folder.path())
        .env("PATH", folder.path())
        .prints();
    assert!(printed.contains("sys.argv[1]        lime␣honey"), "{printed}");
    assert!(printed.contains("-u          kept by the interpreter"), "{printed}");
}

#[test]
fn a_typed_env_and_nohup_hand_the_vector_on() {
    let folder = tempfile::tempdir().unwrap();
    std::fs::write(folder.path().join("press.py"), "").unwrap();
    for line in [
        "env HIVE=north python3 press.py 'lime honey'",
        "nohup python3 press.py 'lime honey'",
        "env -u HIVE nohup -- python3 press.py 'lime honey'",
    ] {
        let printed = Run::of(&["view", "--launch", line]).within(folder.path()).prints();
        assert!(printed.starts_with("Python\n"), "{line}: {printed}");
        assert!(printed.contains("sys.argv[1]        lime␣honey"), "{line}: {printed}");
    }
}
