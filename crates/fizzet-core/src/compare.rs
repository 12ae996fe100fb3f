//! Which rules make two shells differ on a text.

use crate::dialect::{Dialect, ROWS, Row};

/// The pseudo-row of what no row says: which utilities the shell carries out itself.
static UTILITIES: Row = Row {
    name: "utilities",
    sentence: "Which utilities and variables the shell has by itself.",
    evidence: "observed in all six: type NAME",
    values: ["posix", "bash", "dash", "busybox", "ksh93", "mksh", "zsh"],
};

/// The rows of the table in which two dialects differ so that their outcomes do.
///
/// `outcome` traces with a dialect. The answer is the one row that makes the difference by itself, or
/// else the rows without any of which the outcomes would differ in another way; it is empty when the
/// outcomes are the same.
///
/// ```
/// use fizzet_core::{compare, dialect::{Dialect, Shell}};
/// let (bash, zsh) = (Dialect::of(Shell::Bash), Dialect::of(Shell::Zsh));
/// let rows = compare::reasons(&bash, &zsh, &|dialect| dialect.array_is_list);
/// assert_eq!(rows[0].name, "array_is_list");
/// ```
pub fn reasons<T: PartialEq>(
    one: &Dialect,
    other: &Dialect,
    outcome: &dyn Fn(&Dialect) -> T,
) -> Vec<&'static Row> {
    let (first, wanted) = (outcome(one), outcome(other));
    if first == wanted {
        return Vec::new();
    }
    let with = |base: &Dialect, rows: &[usize], from: &Dialect| {
        let mut mixed = base.clone();
        rows.iter().for_each(|&row| adopt(&mut mixed, row, from));
        mixed
    };
    let differing: Vec<usize> = (0..=ROWS.len())
        .filter(|&row| {
            let mut mixed = one.clone();
            adopt(&mut mixed, row, other);
            mixed != *one
        })
        .collect();
    let alone = differing.iter().find(|&&row| outcome(&with(one, &[row], other)) == wanted);
    if let Some(&row) = alone {
        return vec![named(row)];
    }
    let needed: Vec<usize> = differing
        .iter()
        .copied()
        .filter(|&row| outcome(&with(other, &[row], one)) != wanted)
        .collect();
    let rows = match outcome(&with(one, &needed, other)) == wanted {
        true => needed,
        // Several rows can take the place of each other: those that change anything are named.
        false => differing
            .into_iter()
            .filter(|&row| needed.contains(&row) || outcome(&with(one, &[row], other)) != first)
            .collect(),
    };
    rows.into_iter().map(named).collect()
}

fn adopt(dialect: &mut Dialect, row: usize, from: &Dialect) {
    match row == ROWS.len() {
        true => dialect.shell = from.shell,
        false => {
            dialect.adopt(row, from);
        }
    }
}

fn named(row: usize) -> &'static Row {
    ROWS.get(row).unwrap_or(&UTILITIES)
}
