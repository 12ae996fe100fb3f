//! `pushd`, `popd`, `dirs` and `cd` with two words, in a folder of the co-op.

use crate::program::Run;

/// The arguments of the last command of a line in a folder with hives, its own path taken off.
fn last(shell: &str, line: &str) -> Vec<String> {
    let folder = tempfile::tempdir().unwrap();
    std::fs::create_dir_all(folder.path().join("hives/north")).unwrap();
    let words = ["line", "--shell", shell, "--format", "nul", line];
    let printed = Run::of(&words).within(folder.path()).output();
    let here = folder.path().canonicalize().unwrap().display().to_string();
    let printed = printed.replace(&here, ".");
    let command = printed.rsplit("label\0").next().unwrap();
    command.split_terminator('\0').map(str::to_string).collect()
}

#[test]
fn folders_are_put_aside_turned_and_taken_off() {
    let line = "pushd hives >/dev/null; pushd north >/dev/null; pushd +1 >/dev/null; label $PWD $(dirs -p)";
    for shell in ["bash", "zsh"] {
        let expected = ["./hives", "./hives", ".", "./hives/north"];
        assert_eq!(last(shell, line), expected, "{shell}");
    }
    let line =
        "pushd hives >/dev/null; pushd north >/dev/null; popd +1 >/dev/null; label $(dirs); ";
    assert_eq!(last("bash", line), ["./hives/north", "."]);
}

#[test]
fn wrong_uses_leave_the_stack_alone() {
    let line = "pushd hives; pushd +7; popd x; dirs -z; label $? $(dirs -l)";
    assert_eq!(last("bash", line), ["2", "./hives", "."]);
    assert_eq!(last("bash", "popd; label $?"), ["1"]);
    assert_eq!(last("zsh", "pushd nosuch; label $? $dirstack"), ["1"]);
}

#[test]
fn the_stack_is_a_variable_too() {
    assert_eq!(last("bash", "pushd hives; DIRSTACK[1]=/; label ${DIRSTACK[@]}"), ["./hives", "/"]);
    assert_eq!(last("zsh", "dirstack=(hives /); popd; label $PWD $dirstack"), ["./hives", "/"]);
    assert_eq!(
        last("zsh", "setopt autopushd; cd hives; cd north; label $dirstack"),
        ["./hives", "."]
    );
}

#[test]
fn a_piece_of_the_path_is_exchanged() {
    for shell in ["ksh93", "mksh", "zsh"] {
        assert_eq!(last(shell, "cd hives; cd hives hives/north; label $PWD"), ["./hives/north"]);
    }
    assert_eq!(last("bash", "cd hives; cd hives hives/north; label $? $PWD"), ["1", "./hives"]);
}

#[test]
fn folders_have_names_and_prompts_show_them() {
    let line =
        "hash -d n=$PWD/hives; cd ~n/north; label \"${(%):-%~}\" \"${(%):-%1~ %2~}\" \"$(dirs)\"";
    assert_eq!(last("zsh", line), ["~n/north", "north ~n/north", "~n/north"]);
    let line = "x=$PWD/hives; label ~x; unhash -d x; label $? \"${(%):-%(?.jar.lid)}\"";
    assert_eq!(last("zsh", line), ["1", "lid"]);
    assert_eq!(
        last("zsh", "label \"${(%):-%5<..<lime honey}\" \"${(%):-%F{2\\}a%f%%}\""),
        ["..ney", "\x1b[32ma\x1b[39m%"]
    );
}
