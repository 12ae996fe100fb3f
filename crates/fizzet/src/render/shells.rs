//! `--shell all`: one column a shell, where they differ, and by which rules.

use fizzet_core::compare;
use fizzet_core::dialect::{Dialect, Row, Shell};
use fizzet_core::trace::{CommandKind, Ending, Trace};

use crate::render::page::{Page, wrap};
use crate::render::visible::{Spaces, cells, rows};

/// The most rules that are told for one group.
const MAX_RULES: usize = 6;
/// The most vectors of one group that are shown.
const MAX_VECTORS: usize = 12;
/// The most rows that one vector takes.
const MAX_ROWS: usize = 6;

/// What is compared between shells: the vectors that programs receive, and how the text ends.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Outcome {
    vectors: Vec<Vec<Vec<u8>>>,
    ending: &'static str,
}

impl Outcome {
    /// That of a trace.
    pub fn of(trace: &Trace) -> Outcome {
        let externals =
            trace.commands.iter().filter(|command| command.kind == CommandKind::External);
        let bytes = |text: &fizzet_core::text::Text| text.bytes().to_vec();
        let vectors = externals.map(|one| one.argv.iter().map(bytes).collect()).collect();
        let ending = match &trace.ending {
            Ending::Complete => "",
            Ending::Incomplete => "something is not known",
            Ending::ShellStops(_) => "the shell gives up",
            Ending::Syntax(_) => "the shell cannot read it",
            Ending::Stopped { .. } => "stopped at a limit",
        };
        Outcome { vectors, ending }
    }
}

/// Shells that agree.
#[derive(Debug)]
pub struct Group {
    /// The shells.
    pub shells: Vec<Shell>,
    /// The rules by which they differ from the first group.
    pub rules: Vec<&'static Row>,
    outcome: Outcome,
}

impl Group {
    /// The groups of some traces, that of the first trace first. `outcome` traces again with other
    /// rules; `None` is what cannot be traced.
    pub fn all(traces: &[Trace], outcome: &dyn Fn(&Dialect) -> Option<Outcome>) -> Vec<Group> {
        let mut groups: Vec<Group> = Vec::new();
        for trace in traces {
            let made = Outcome::of(trace);
            match groups.iter_mut().find(|group| group.outcome == made) {
                Some(group) => group.shells.push(trace.shell),
                None => {
                    let rules = Vec::new();
                    groups.push(Group { shells: vec![trace.shell], rules, outcome: made });
                }
            }
        }
        let Some(first) = groups.first().map(|group| Dialect::of(group.shells[0])) else {
            return groups;
        };
        for group in groups.iter_mut().skip(1) {
            group.rules = compare::reasons(&first, &Dialect::of(group.shells[0]), outcome);
        }
        groups
    }
}

/// The columns, then each group with what its programs receive and why.
pub fn write(page: &mut Page, traces: &[Trace], groups: &[Group]) {
    columns(page, traces, groups);
    for (at, group) in groups.iter().enumerate() {
        page.end_row();
        one(page, at, group, groups[0].shells[0]);
    }
    if groups.len() == 1 {
        page.end_row();
        page.text("All shells agree.").end_row();
    }
}

/// One column a shell: the number of arguments that each program receives.
fn columns(page: &mut Page, traces: &[Trace], groups: &[Group]) {
    const LABEL: usize = 10;
    let frame = page.palette.frame;
    let room = page.width.saturating_sub(LABEL) / traces.len().max(1);
    let wide = room.clamp(7, 10);
    page.pad(LABEL);
    for trace in traces {
        page.styled(frame, &format!("{:>wide$}", trace.shell.name()));
    }
    page.end_row();
    row(
        page,
        "like",
        LABEL,
        wide,
        traces.iter().map(|trace| {
            let at =
                groups.iter().position(|group| group.shells.contains(&trace.shell)).unwrap_or(0);
            (letter(at), at > 0)
        }),
    );
    let outcomes: Vec<Outcome> = traces.iter().map(Outcome::of).collect();
    let most = outcomes.iter().map(|one| one.vectors.len()).max().unwrap_or(0);
    for at in 0..most.min(MAX_VECTORS) {
        let label = if most == 1 { "argc".into() } else { format!("argc of {}", at + 1) };
        let first = outcomes.first().and_then(|one| one.vectors.get(at));
        row(
            page,
            &label,
            LABEL,
            wide,
            outcomes.iter().map(|one| {
                let vector = one.vectors.get(at);
                let shown = vector.map_or("-".into(), |vector| vector.len().to_string());
                (shown, vector != first)
            }),
        );
    }
    if groups.len() > 1 {
        page.styled(page.palette.frame, "* differs from the first column").end_row();
    }
}

fn row(
    page: &mut Page,
    label: &str,
    width: usize,
    wide: usize,
    values: impl Iterator<Item = (String, bool)>,
) {
    let alert = page.palette.alert;
    page.text(&format!("{label:<width$}"));
    for (value, differs) in values {
        match differs {
            true => page.styled(alert, &format!("{:>wide$}", format!("{value}*"))),
            false => page.text(&format!("{:>wide$}", format!("{value} "))),
        };
    }
    page.end_row();
}

/// A name for a group.
fn letter(at: usize) -> String {
    char::from_u32('A' as u32 + at as u32).map_or_else(|| at.to_string(), String::from)
}

fn one(page: &mut Page, at: usize, group: &Group, first: Shell) {
    let names: Vec<&str> = group.shells.iter().map(|shell| shell.name()).collect();
    let value = page.palette.value;
    page.styled(value, &letter(at)).text(&format!("  {}", names.join(", "))).end_row();
    for vector in group.outcome.vectors.iter().take(MAX_VECTORS) {
        arguments(page, vector);
    }
    if group.outcome.vectors.len() > MAX_VECTORS {
        let more = group.outcome.vectors.len() - MAX_VECTORS;
        page.text(&format!("   ... and {more} more programs")).end_row();
    }
    if group.outcome.vectors.is_empty() {
        page.text("   no program is started").end_row();
    }
    if !group.outcome.ending.is_empty() {
        page.styled(page.palette.alert, &format!("   {}", group.outcome.ending)).end_row();
    }
    for row in group.rules.iter().take(MAX_RULES) {
        let typed = page.palette.typed;
        page.text("   rule ").styled(typed, row.name).end_row();
        for line in wrap(row.sentence.trim(), page.width.saturating_sub(5).max(20)) {
            page.text("     ").text(&line).end_row();
        }
        let told = [group.shells[0], first].map(|shell| format!("{shell}: {}", told(row, shell)));
        page.styled(page.palette.frame, &format!("     {}", told.join(", "))).end_row();
    }
    if group.rules.len() > MAX_RULES {
        let more = group.rules.len() - MAX_RULES;
        page.text(&format!("   and {more} more rules")).end_row();
    }
}

/// The value of a rule in a shell, for people.
fn told(row: &Row, shell: Shell) -> String {
    let written = row.values[shell as usize];
    let inner = written.strip_prefix("Some(").and_then(|rest| rest.strip_suffix(')'));
    match inner.unwrap_or(written) {
        "Y" => "yes".into(),
        "N" => "no".into(),
        other => match other.rsplit_once("::") {
            Some((_, choice)) => in_words(choice),
            None => other.trim_matches('"').to_string(),
        },
    }
}

/// The name of a choice as words: `FromEnd` is `from end`.
fn in_words(choice: &str) -> String {
    let mut words = String::new();
    for letter in choice.chars() {
        if letter.is_ascii_uppercase() && !words.is_empty() {
            words.push(' ');
        }
        words.push(letter.to_ascii_lowercase());
    }
    words
}

/// A vector, each argument in brackets.
fn arguments(page: &mut Page, vector: &[Vec<u8>]) {
    let mut shown = Vec::new();
    for argument in vector {
        shown.extend(cells(b"[", Spaces::Plain));
        let argument = &argument[..argument.len().min(400)];
        shown.extend(cells(argument, Spaces::Marked));
        shown.extend(cells(b"] ", Spaces::Plain));
    }
    let room = page.width.saturating_sub(4).max(16);
    let value = page.palette.value;
    let all = rows(&shown, room);
    for row in all.iter().take(MAX_ROWS) {
        page.text("   ").cells(row, value).end_row();
    }
    if all.len() > MAX_ROWS {
        page.text("   ...").end_row();
    }
}
