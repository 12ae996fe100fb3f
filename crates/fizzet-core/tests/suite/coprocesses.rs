//! What runs beside the shell and reads from it: `coproc`, `|&` and `>(list)`.

use crate::files::check;
use crate::labels::labels;
use fizzet_core::dialect::Shell::{Bash, Dash, Ksh93, Mksh, Zsh};

#[test]
fn each_answer_waits_for_its_question() {
    let body = "{ for i in 1 2 3; do read v; echo $((i*v)); done; }";
    let bash = format!(
        "coproc {body}; for i in 5 6 7; do echo $i >&${{COPROC[1]}}; read r <&${{COPROC[0]}}; label $r; done"
    );
    check(&[Bash], &bash, "5 12 21");
    let asks = "for i in 5 6 7; do print -p $i; read -p r; label $r; done";
    check(&[Ksh93, Mksh], &format!("{body} |&\n{asks}"), "5 12 21");
    check(&[Zsh], &format!("coproc {body}\n{asks}"), "5 12 21");
}

#[test]
fn what_was_done_before_a_question_is_done_once() {
    let text = "exec 3> >(read z; label z $z; read z; label $z.)\n\
        coproc { label a; echo w >&3; read x; label b $x; echo v >&3; read y; label c $y; }\n\
        echo 1 >&${COPROC[1]}; read -t 1 q <&${COPROC[0]}; echo 2 >&${COPROC[1]}; wait; exec 3>&-; wait";
    check(&[Bash], text, "a b,1 z,w v. c,2");
}

#[test]
fn the_descriptors_are_the_highest_that_are_free() {
    let text = "coproc A { read q; }; coproc B { read q; }; label ${A[@]} ${B[@]}\n\
        exec 63<&-; (label ${A[0]}; echo a >&${A[1]} && label open); label $?";
    check(&[Bash], text, "63,60,62,58 63 1");
    check(&[Bash], "coproc 1x { :; }; label $?", "1");
}

#[test]
fn a_coprocess_that_has_ended_is_forgotten() {
    let text = "coproc { read x; exit $x; }; echo 7 >&${COPROC[1]}; wait $COPROC_PID; label $? ${COPROC[0]-gone}";
    check(&[Bash], text, "7,gone");
    check(&[Ksh93], "{ read x; } |& print -p a; wait; read -p y; read -p y; label $?", "1");
    check(&[Mksh], "{ read x; } |& print -p a; wait; read -p y; read -p y; label $?", "2");
}

#[test]
fn a_second_coprocess_replaces_the_first_or_is_a_mistake() {
    check(&[Ksh93, Mksh], "{ read a; } |& { read b; } |& label no", "");
    check(&[Ksh93, Mksh], "{ read a; } |& exec 3>&p; { read b; } |& label yes", "yes");
    let text = "coproc { read a; echo 1$a; }; coproc { read a; echo 2$a; }; print -p y; read -p z; label $z";
    check(&[Zsh], text, "2y");
}

#[test]
fn exec_takes_the_coprocess_from_p() {
    let text = "{ read x; echo r$x; } |& exec 3>&p 4<&p; print -p a; label $?; echo b >&3; read x <&4; label $x";
    check(&[Ksh93, Mksh], text, "1 rb");
    let text =
        "coproc { read x; echo r$x; }; exec 3>&p 4<&p; print -p a; label $?; read x <&4; label $x";
    check(&[Zsh], text, "0 ra");
    check(&[Ksh93, Mksh, Zsh], "echo x >&p; label $?; read y <&p; label $?", "1 1");
}

#[test]
fn the_last_writer_that_goes_lets_a_reader_end() {
    check(&[Bash, Ksh93], "{ echo a; echo b; } > >(while read l; do label $l; done); wait", "a b");
    let text = "exec 3> >(while read l; do label $l; done; label end); echo a >&3; label mid; exec 3>&-; label after";
    check(&[Bash, Ksh93, Zsh], text, "mid a end after");
    check(&[Bash], "coproc { read a; label end$? ; }\nlabel x", "x end1");
    // This shell keeps the input of its coprocess open itself.
    check(&[Zsh], "coproc { read a; label end$? ; }\nlabel x", "x");
}

#[test]
fn a_substitution_of_bash_takes_the_name_for_the_command() {
    let text = "COPROC() { label \"$#\" \"$@\" >&2; }; x=$(coproc echo a); x=`coproc echo b`; label \"$x\"";
    assert_eq!(labels(Bash, text, &[]), [vec!["2", "echo", "a"], vec![""]]);
}

#[test]
fn a_signal_ends_a_coprocess_that_waits() {
    check(&[Bash], "coproc { read x; }; kill $COPROC_PID; wait $COPROC_PID; label $?", "143");
    check(&[Ksh93], "{ read x; } |& kill $!; wait $!; label $?", "271");
}

#[test]
fn whoever_waits_for_ever_is_told_so() {
    let told = labels(Bash, "coproc { read x; }; read y <&${COPROC[0]}; label \"[$y]\"", &[]);
    assert_eq!(told, [["[]"]], "nobody knows the line");
    check(&[Dash], "coproc { :; }; label x", "");
}
