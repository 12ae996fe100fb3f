//! `accept` for people: what each element is, the values, and what is wrong.

use fizzet_core::receive::contract::check::{Outcome, Problem};
use fizzet_core::receive::contract::reading::RoleKind;
use fizzet_core::receive::contract::{Contract, usage};

use crate::render::page::{Page, wrap};
use crate::render::visible::{Cell, Spaces, cells, rows_within, told, width};

/// A vector held against a contract.
pub struct Judged<'c> {
    /// The contract.
    pub contract: &'c Contract,
    /// The vector.
    pub vector: Vec<Vec<u8>>,
    /// What came of it.
    pub outcome: Outcome,
    /// What quotes would mend in the line that it comes from.
    pub mend: Option<Mend>,
}

/// Words of a line that fell apart, and the line with quotes around them.
#[derive(Debug)]
pub struct Mend {
    /// Each word as it is written, and how many arguments it became.
    pub words: Vec<(Vec<u8>, usize)>,
    /// The line with quotes; nothing where no expansion fell apart.
    pub line: Option<Vec<u8>>,
    /// Whether its vector satisfies the contract.
    pub mends: bool,
}

/// The most elements that are shown.
const MOST: usize = 200;

/// The name of an option or an operand.
pub fn about(contract: &Contract, kind: RoleKind) -> Option<&str> {
    match kind {
        RoleKind::Option(at) | RoleKind::OptionValue(at) => {
            contract.options.get(at).map(|one| one.name.as_str())
        }
        RoleKind::Operand(at) => contract.operands.get(at).map(|one| one.name.as_str()),
        _ => None,
    }
}

/// Writes all of it.
pub fn write(page: &mut Page, judged: &Judged<'_>) {
    let (frame, alert) = (page.palette.frame, page.palette.alert);
    let problems = &judged.outcome.problems;
    page.text(&judged.contract.program).text(": the vector ");
    match problems.is_empty() {
        true => page.text("satisfies the contract").end_row(),
        false => page.styled(alert, "does not satisfy").text(" the contract").end_row(),
    };
    page.end_row();
    roles(page, judged);
    page.end_row();
    values(page, judged);
    for problem in problems {
        page.end_row();
        one_problem(page, problem);
    }
    if let Some(mend) = &judged.mend {
        page.end_row();
        mended(page, mend);
    }
    page.end_row();
    let rows = wrap(&usage::line(judged.contract), page.width.saturating_sub(7).max(20));
    for (at, row) in rows.iter().enumerate() {
        page.styled(frame, if at == 0 { "usage: " } else { "       " }).text(row).end_row();
    }
}

fn shown(bytes: &[u8]) -> Vec<Cell> {
    match bytes {
        b"" => vec![told("⟨empty⟩")],
        bytes => cells(&bytes[..bytes.len().min(400)], Spaces::Marked),
    }
}

fn roles(page: &mut Page, judged: &Judged<'_>) {
    let (frame, bold, alert) = (page.palette.frame, page.palette.value, page.palette.alert);
    let shown_roles = judged.outcome.reading.roles.iter().take(2 * MOST);
    let widths =
        shown_roles.map(|role| width(&shown(&judged.vector[role.element][role.bytes.clone()])));
    let columns = widths.max().unwrap_or(0).min((page.width * 40 / 100).max(16));
    let mut last = None;
    for role in judged.outcome.reading.roles.iter().take(2 * MOST) {
        if role.element >= MOST {
            break;
        }
        let label = match last == Some(role.element) {
            true => String::new(),
            false => format!("[{}]", role.element),
        };
        last = Some(role.element);
        let bytes = &judged.vector[role.element][role.bytes.clone()];
        let name =
            about(judged.contract, role.kind).map_or(String::new(), |name| format!(" {name}"));
        let is_wrong = matches!(role.kind, RoleKind::Unknown | RoleKind::LeftOver);
        let what = match role.kind {
            RoleKind::LeftOver => "left over".to_owned(),
            RoleKind::OptionValue(_) => format!("value of{name}"),
            kind => format!("{}{name}", kind.name()),
        };
        for (at, cells) in rows_within(&shown(bytes), columns, 6).iter().enumerate() {
            let label = if at == 0 { label.as_str() } else { "" };
            page.styled(frame, &format!("{label:>5}  ")).cells(cells, bold);
            if at == 0 {
                let style = if is_wrong { alert } else { anstyle::Style::new() };
                page.pad(columns.saturating_sub(width(cells)) + 2).styled(style, &what);
            }
            page.end_row();
        }
    }
    if judged.vector.len() > MOST {
        let more = judged.vector.len() - MOST;
        page.text(&format!("... {more} more; --format json has them all")).end_row();
    }
}

fn values(page: &mut Page, judged: &Judged<'_>) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    let widest =
        judged.outcome.values.iter().map(|one| one.name.chars().count()).max().unwrap_or(0);
    for value in judged.outcome.values.iter().filter(|one| one.times > 0 || !one.values.is_empty())
    {
        page.styled(frame, &format!("{:<widest$}", value.name)).text(" = ");
        let Some(kind) = value.kind else {
            let times = if value.times == 1 {
                "given".into()
            } else {
                format!("given {} times", value.times)
            };
            page.text(&times).end_row();
            continue;
        };
        let room = page.width.saturating_sub(widest + 14).max(16);
        let mut used = 0;
        for (element, bytes) in value.values.iter().take(20) {
            let shown = rows_within(&shown(bytes), room, 1).concat();
            if used > 0 && used + width(&shown) + 2 > room {
                page.end_row().pad(widest + 3);
                used = 0;
            }
            used += width(&shown) + 2;
            page.cells(&shown, bold).text("  ");
            if element.is_none() {
                page.text("(default)  ");
            }
        }
        if value.values.len() > 20 {
            page.text(&format!("and {} more  ", value.values.len() - 20));
        }
        page.text(kind.name()).end_row();
    }
}

fn one_problem(page: &mut Page, problem: &Problem) {
    let alert = page.palette.alert;
    page.text("problem ").styled(alert, problem.name);
    if let Some(element) = problem.element {
        page.text(&format!("  [{element}]"));
    }
    page.end_row();
    for row in wrap(&problem.message, page.width.saturating_sub(2).max(20)) {
        page.text("  ").text(&row).end_row();
    }
}

fn mended(page: &mut Page, mend: &Mend) {
    let (alert, typed) = (page.palette.alert, page.palette.typed);
    page.text("note ").styled(alert, "missing-quote").end_row();
    let room = page.width.saturating_sub(2).max(20);
    let tell = |page: &mut Page, text: &str| {
        for row in wrap(text, room) {
            page.text("  ").text(&row).end_row();
        }
    };
    let Some(line) = &mend.line else {
        let told = "Each operand was typed as a word of its own, and none fell apart. If two of them are one \
                    value, write quotes around both.";
        return tell(page, told);
    };
    for (word, count) in &mend.words {
        let word = String::from_utf8_lossy(word);
        tell(page, &format!("{word} is not quoted: the shell split it into {count} arguments."));
    }
    let told = if mend.mends {
        "With quotes the vector satisfies the contract:"
    } else {
        "With quotes it stays whole:"
    };
    tell(page, told);
    page.text("    ").cells(&cells(line, Spaces::Plain), typed).end_row();
}
