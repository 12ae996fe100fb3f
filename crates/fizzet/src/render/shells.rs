//! `line --shell all`: one column a shell, where they differ, and by which rules.

use fizzet_core::compare;
use fizzet_core::dialect::{Dialect, ROWS, Row, Shell};
use fizzet_core::trace::{CommandKind, Ending, Trace};

use crate::render::line::{marked_cells, may_be_several, with_marks};
use crate::render::page::{Page, wrap};
use crate::render::visible::{Spaces, cells, rows};

/// The most rules that are told for one group.
const MAX_RULES: usize = 6;
/// The most vectors of one group that are shown.
const MAX_VECTORS: usize = 12;
/// The most steps that the search for rules may take: about ten seconds.
const MAX_STEPS: u64 = 5_000_000;
/// The most rows that one vector takes.
const MAX_ROWS: usize = 6;

/// How a text ends of which something is not known.
const NOT_ALL_KNOWN: &str = "something is not known";

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
        let vectors = externals.map(|one| one.argv.iter().map(with_marks).collect()).collect();
        let ending = match &trace.ending {
            Ending::Complete => "",
            Ending::Incomplete => NOT_ALL_KNOWN,
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
    /// The groups of some traces, that of the first trace first.
    pub fn all(traces: &[Trace]) -> Vec<Group> {
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
        groups
    }

    /// Looks for the rules that make the groups differ from the first one; false, and nothing done, where
    /// that takes too long. `outcome` traces again with other rules; `None` is what cannot be traced.
    pub fn explain(
        groups: &mut [Group],
        traces: &[Trace],
        outcome: &dyn Fn(&Dialect) -> Option<Outcome>,
    ) -> bool {
        let [first, others @ ..] = groups else { return true };
        let steps = traces.iter().map(|trace| trace.steps).max().unwrap_or(0);
        let walks = 2 * ROWS.len() as u64 * others.len() as u64;
        if steps.saturating_mul(walks) > MAX_STEPS {
            return false;
        }
        let first = Dialect::of(first.shells[0]);
        for group in others {
            group.rules = compare::reasons(&first, &Dialect::of(group.shells[0]), outcome);
        }
        true
    }
}

/// What programs receive in a group of shells.
pub(super) type Told<'t> = &'t dyn Fn(&mut Page, usize, &Group);

/// The columns, then each group with what its programs receive and why.
pub fn write(page: &mut Page, traces: &[Trace], groups: &[Group]) {
    columns(page, traces, groups);
    write_groups(page, groups, &|page, _, group| {
        for vector in group.outcome.vectors.iter().take(MAX_VECTORS) {
            arguments(page, "   ", vector);
        }
        if group.outcome.vectors.len() > MAX_VECTORS {
            let more = group.outcome.vectors.len() - MAX_VECTORS;
            page.text(&format!("   ... and {more} more programs")).end_row();
        }
        if group.outcome.vectors.is_empty() {
            page.text("   no program is started").end_row();
        }
    });
    if groups.len() == 1 {
        page.end_row();
        let is_known = groups[0].outcome.ending != NOT_ALL_KNOWN;
        let agree =
            if is_known { "All shells agree." } else { "All shells agree on what is known." };
        page.text(agree).end_row();
    }
}

/// Each group with what `vectors` tells of it and why it differs from the first.
pub(super) fn write_groups(page: &mut Page, groups: &[Group], vectors: Told<'_>) {
    for (at, group) in groups.iter().enumerate() {
        page.end_row();
        let names: Vec<&str> = group.shells.iter().map(|shell| shell.name()).collect();
        let value = page.palette.value;
        page.styled(value, &letter(at)).text(&format!("  {}", names.join(", "))).end_row();
        vectors(page, at, group);
        if !group.outcome.ending.is_empty() {
            page.styled(page.palette.alert, &format!("   {}", group.outcome.ending)).end_row();
        }
        reasons(page, group, groups[0].shells[0]);
    }
}

/// The names of the shells, and which group each belongs to; answers the width of a column.
pub(super) fn head(page: &mut Page, traces: &[Trace], groups: &[Group], label: usize) -> usize {
    let frame = page.palette.frame;
    let room = page.width.saturating_sub(label) / traces.len().max(1);
    let wide = room.clamp(7, 10);
    page.pad(label);
    for trace in traces {
        page.styled(frame, &format!("{:>wide$}", trace.shell.name()));
    }
    page.end_row();
    let group_of =
        |shell| groups.iter().position(|group| group.shells.contains(&shell)).unwrap_or(0);
    let values = traces.iter().map(|trace| group_of(trace.shell)).map(|at| (letter(at), at > 0));
    row(page, "like", (label, wide), values);
    wide
}

/// One column a shell: the number of arguments that each program receives.
fn columns(page: &mut Page, traces: &[Trace], groups: &[Group]) {
    const LABEL: usize = 10;
    let wide = head(page, traces, groups, LABEL);
    let outcomes: Vec<Outcome> = traces.iter().map(Outcome::of).collect();
    let most = outcomes.iter().map(|one| one.vectors.len()).max().unwrap_or(0);
    for at in 0..most.min(MAX_VECTORS) {
        let label = if most == 1 { "argc".into() } else { format!("argc of {}", at + 1) };
        let vectors: Vec<_> = outcomes.iter().map(|one| one.vectors.get(at)).collect();
        counts(page, &label, (LABEL, wide), &vectors);
    }
    let mut vectors = outcomes.iter().flat_map(|one| one.vectors.iter().take(MAX_VECTORS));
    if vectors.any(|vector| is_guessed(vector)) {
        page.styled(page.palette.frame, GUESSED).end_row();
    }
    if groups.len() > 1 {
        page.styled(page.palette.frame, DIFFERS).end_row();
    }
}

/// What the stars in the columns mean.
pub(super) const DIFFERS: &str = "* differs from the first column";
/// What the question marks in the columns mean.
pub(super) const GUESSED: &str = "? if what is not known is one argument";

/// Whether nobody knows how many arguments there are.
pub(super) fn is_guessed(vector: &[Vec<u8>]) -> bool {
    vector.iter().any(|one| may_be_several(one))
}

/// A row of counts: how many arguments a program receives in each shell.
pub(super) fn counts<V: PartialEq + AsRef<[Vec<u8>]>>(
    page: &mut Page,
    label: &str,
    widths: (usize, usize),
    vectors: &[Option<V>],
) {
    let first = vectors.first().and_then(Option::as_ref);
    let values = vectors.iter().map(|vector| {
        let shown = vector.as_ref().map_or("-".into(), |one| {
            let guess = if is_guessed(one.as_ref()) { "?" } else { "" };
            format!("{}{guess}", one.as_ref().len())
        });
        (shown, vector.as_ref() != first)
    });
    row(page, label, widths, values);
}

fn row(
    page: &mut Page,
    label: &str,
    (width, wide): (usize, usize),
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

/// The rules by which a group differs from the first shell.
fn reasons(page: &mut Page, group: &Group, first: Shell) {
    for row in group.rules.iter().take(MAX_RULES) {
        let typed = page.palette.typed;
        page.text("   rule ").styled(typed, row.name).end_row();
        for line in wrap(row.sentence.trim(), page.width.saturating_sub(5).max(20)) {
            page.text("     ").text(&line).end_row();
        }
        let told = [group.shells[0], first].map(|shell| format!("{shell}: {}", told(row, shell)));
        let (room, both) = (page.width.saturating_sub(5).max(20), told.join(", "));
        let lines = match both.len() > room {
            true => told.iter().flat_map(|one| wrap(one, room)).collect(),
            false => vec![both],
        };
        for line in lines {
            page.styled(page.palette.frame, &format!("     {line}")).end_row();
        }
    }
    if group.rules.len() > MAX_RULES {
        let more = group.rules.len() - MAX_RULES;
        page.text(&format!("   and {more} more rules")).end_row();
    }
}

/// The value of a rule in a shell, for people.
fn told(row: &Row, shell: Shell) -> String {
    told_value(row.values[shell as usize])
}

/// A value as the table has it, in words.
fn told_value(written: &str) -> String {
    let written = written.trim();
    if let Some(inner) = between(written, "Some(", ")") {
        return told_value(inner);
    }
    if let Some(several) = between(written, "(", ")") {
        return each_told(several, " / ");
    }
    let itself = written.trim_start_matches('&').trim_start();
    if let Some(list) = between(itself, "[", "]") {
        let between = if list.contains('{') { "; " } else { " " };
        return if list.trim().is_empty() { "none".into() } else { each_told(list, between) };
    }
    if let Some((_, fields)) = itself.strip_suffix('}').and_then(|open| open.split_once('{')) {
        let changed: Vec<String> = parts(fields).into_iter().filter_map(told_field).collect();
        return changed.join(", ");
    }
    match itself {
        "Y" | "true" => "yes".into(),
        "N" | "false" => "no".into(),
        "\"\"" => "nothing".into(),
        other if other.starts_with(['"', 'b']) && other.ends_with('"') => {
            other.trim_start_matches('b').trim_matches('"').to_string()
        }
        other => match other.rsplit_once("::") {
            Some((_, choice)) => in_words(choice.trim()),
            None => other.to_string(),
        },
    }
}

/// `field: value` of a rule with several parts; nothing for the rest of them, which is as usual.
fn told_field(written: &str) -> Option<String> {
    let (field, value) =
        written.trim().split_once(':').filter(|(field, _)| !field.starts_with(".."))?;
    let (field, told) = (field.trim().replace('_', " "), told_value(value));
    Some(if value.contains('{') { format!("{field} ({told})") } else { format!("{field} {told}") })
}

fn each_told(written: &str, between: &str) -> String {
    parts(written).into_iter().map(told_value).collect::<Vec<_>>().join(between)
}

fn between<'a>(written: &'a str, open: &str, close: &str) -> Option<&'a str> {
    written.strip_prefix(open)?.strip_suffix(close)
}

/// What commas separate that stand in no brackets and no quotes.
fn parts(written: &str) -> Vec<&str> {
    let (mut depth, mut quoted, mut escaped, mut start) = (0u32, false, false, 0);
    let mut parts = Vec::new();
    for (at, sign) in written.char_indices() {
        match sign {
            _ if std::mem::take(&mut escaped) => {}
            '\\' if quoted => escaped = true,
            '"' => quoted = !quoted,
            _ if quoted => {}
            '(' | '[' | '{' => depth += 1,
            ')' | ']' | '}' => depth = depth.saturating_sub(1),
            ',' if depth == 0 => {
                parts.push(&written[start..at]);
                start = at + 1;
            }
            _ => {}
        }
    }
    parts.push(&written[start..]);
    parts.retain(|part| !part.trim().is_empty());
    parts
}

/// The name of a choice as words: `FromEnd` is `from end`, and `POSIX` is `posix`.
fn in_words(choice: &str) -> String {
    if choice.chars().all(|letter| letter.is_ascii_uppercase() || letter == '_') {
        return choice.to_ascii_lowercase().replace('_', " ");
    }
    let mut words = String::new();
    for letter in choice.chars() {
        if letter.is_ascii_uppercase() && !words.is_empty() {
            words.push(' ');
        }
        words.push(letter.to_ascii_lowercase());
    }
    words
}

/// A vector behind a label, each argument in brackets.
pub(super) fn arguments(page: &mut Page, label: &str, vector: &[Vec<u8>]) {
    let mut shown = Vec::new();
    for argument in vector {
        shown.extend(cells(b"[", Spaces::Plain));
        let argument = &argument[..argument.len().min(400)];
        shown.extend(marked_cells(argument, Spaces::Marked));
        shown.extend(cells(b"] ", Spaces::Plain));
    }
    let lead = label.chars().count();
    let room = page.width.saturating_sub(lead + 1).max(16);
    let (frame, value) = (page.palette.frame, page.palette.value);
    let all = rows(&shown, room);
    for (at, row) in all.iter().take(MAX_ROWS).enumerate() {
        if at == 0 {
            page.styled(frame, label)
        } else {
            page.pad(lead)
        };
        page.cells(row, value).end_row();
    }
    if all.len() > MAX_ROWS {
        page.pad(lead).text("...").end_row();
    }
}

#[cfg(test)]
mod tests {
    use super::told_value;

    #[test]
    fn values_of_the_table_are_told_in_words() {
        for (written, told) in [
            ("Y", "yes"),
            ("bash", "bash"),
            ("b\"jar\"", "jar"),
            ("\"\"", "nothing"),
            ("Some(EmptyBodies::OutsideIf)", "outside if"),
            ("&[\"in\", \"]]\"]", "in ]]"),
            ("(\"declare -f \", \"\")", "declare -f  / nothing"),
            ("(Padding::Right, Padding::LeftDigits)", "right / left digits"),
            ("&[]", "none"),
            ("&Brackets::POSIX", "posix"),
            (
                "&Brackets\n{\n    open: Mistake::Dropped, more: &[\"word\", \"a, b\"], ..Brackets::POSIX\n}",
                "open dropped, more word a, b",
            ),
            (
                "&[Number { letters: \"n\", syntax: Syntax { signs: true, ..X } }]",
                "letters n, syntax (signs yes)",
            ),
        ] {
            assert_eq!(told_value(written), told, "{written}");
        }
    }
}
