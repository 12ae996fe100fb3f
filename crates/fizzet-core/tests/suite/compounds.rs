//! Variables inside others: members of compound variables, and elements that are lists or compound (ksh93).

use crate::checked::{check, told};
use fizzet_core::dialect::Shell;

use Shell::{Bash, Ksh93, Mksh};

fn ksh(line: &str) -> String {
    told(Ksh93, line)
}

#[test]
fn members_are_variables() {
    assert_eq!(
        ksh("hive=(keeper=Ada jars=7); label ${hive.keeper} ${hive.jars} ${hive.lid-none}"),
        "Ada,7,none"
    );
    assert_eq!(
        ksh("hive=(jars=7); hive.jars+=1; hive.row=3; label ${hive.jars} ${hive.row}"),
        "71,3"
    );
    assert_eq!(
        ksh(
            "hive=(jars=7); ((hive.jars *= 2)); label $((hive.jars + 1)) ${hive.lid:=9} ${hive.lid}"
        ),
        "15,9,9"
    );
    assert_eq!(
        ksh(
            "hive=(site=(row=3)); label ${hive.site.row}; unset hive.site.row; label ${hive.site.row-none}"
        ),
        "3 none"
    );
    assert_eq!(ksh("hive=(jars=7); hive=5; label $hive ${hive.jars-none}"), "5,none");
    assert_eq!(
        ksh("hive=(jars=7); hive+=(row=3); hive.site.slot=b; label ${!hive.@}"),
        "hive.jars,hive.row,hive.site,hive.site.slot"
    );
}

#[test]
fn a_compound_variable_shows_its_members() {
    assert_eq!(
        ksh("hive=(row=3 jars=(5 7)); label \"$hive\""),
        "(\n\ttypeset -a jars=(\n\t\t5\n\t\t7\n\t)\n\trow=3\n)"
    );
    assert_eq!(ksh("hive=(row=3); hive.row='a b'; label $hive"), "(,row='a,b',)");
    assert_eq!(
        ksh("hive=(site=(row=3) n=1); label \"$(typeset -p hive)\""),
        "typeset -C hive=(n=1;site=(row=3))"
    );
    assert_eq!(ksh("hive=(a=(row=3) n=x=1); label \"$(print -C hive)\""), "(a=(row=3;)n=x\\=1)");
    assert_eq!(
        ksh("hive=(); label \"$hive\" ${#hive}; hive=(typeset -i n=3; n=1+1); label ${hive.n}"),
        "(\n),3 2"
    );
}

#[test]
fn a_member_needs_a_variable_around_it() {
    // The mistake ends the shell, and a utility only fails.
    assert_eq!(ksh("label jar; hive.jars=7; label lid"), "jar");
    assert_eq!(ksh("read hive.jars <<<7; label $?; unset hive.jars; label $?"), "1 1");
    assert_eq!(ksh("hive=(jars=7); export hive; label lid"), "");
    assert_eq!(ksh("label jar; hive.jars=(3 5); label lid"), "jar");
}

#[test]
fn variables_inside_each_other_have_a_limit() {
    let deep =
        |name: &str, count| format!("label jar; {name}{}=7; label lid", ".site".repeat(count));
    assert_eq!(ksh(&format!("hive=(); {}", deep("hive", 400))), "jar lid");
    assert_eq!(ksh(&format!("hive=(); {}", deep("hive", 100_000))), "jar");
    assert_eq!(ksh(&format!("label jar; rows{}=x; label lid", "[0]".repeat(5_000))), "jar");
}

#[test]
fn elements_hold_lists_and_members() {
    assert_eq!(
        ksh(
            "hives=( (jars=3) (jars=5) ); i=1; label ${hives[i].jars} ${hives[$i].jars} ${#hives[@]}"
        ),
        "5,5,2"
    );
    assert_eq!(
        ksh("rows=( (1 2) (3 4) ); label ${rows[1][0]} ${rows[0][@]} $rows ${rows[@]}"),
        "3,1,2,1,1,3"
    );
    assert_eq!(
        ksh(
            "rows[1][2]=x; ((rows[1][0] = 5)); label ${!rows[@]} ${!rows[1][@]} $((rows[1][0] + 1))"
        ),
        "1,0,2,6"
    );
    assert_eq!(
        ksh(
            "jars=(a b c); jars[1]=(d e); label ${jars[@]} ${jars[1][1]}; jars[1]=f; label ${jars[@]}"
        ),
        "a,d,c,e a,f,c"
    );
    assert_eq!(
        ksh(
            "typeset -A shelf; shelf[top]=(jar=lime); shelf[low].jar=oak; for k in ${!shelf[@]}; do label $k ${shelf[$k].jar}; done"
        ),
        "low,oak top,lime"
    );
    assert_eq!(ksh("jars=(a b); jars[-3]=(c); label lid"), "");
}

#[test]
fn references_and_functions_reach_members() {
    assert_eq!(
        ksh(
            "hive=(site=(row=3)); typeset -n s=hive.site; s.row=4; s.slot=b; label ${hive.site.row} ${s.slot} ${!s.row}"
        ),
        "4,b,hive.site.row"
    );
    assert_eq!(
        ksh(
            "function f { typeset hive=(row=1); label ${hive.row} ${hive.jars-none}; }; hive=(row=7 jars=8); f; label ${hive.row}"
        ),
        "1,none 7"
    );
    assert_eq!(ksh("hive=(row=7); (hive.row=8; label ${hive.row}); label ${hive.row}"), "8 7");
    assert_eq!(
        ksh("hive=(row=7); lid=(n=1); lid=hive; hive.row=8; label ${lid.row} ${lid.n-none}"),
        "7,none"
    );
}

#[test]
fn other_shells_have_lists_there() {
    check(
        "hive=(row=3 lid); label ${hive[0]}",
        &[(&[Bash, Mksh], "row=3"), (&[Ksh93], "(,row=3,)")],
        "",
    );
}
