//! `spread` for people: the forms, the forms for every IFS, and where shells differ.

use std::rc::Rc;

use fizzet_core::dialect::Shell;
use fizzet_core::spread::SEPARATORS;
use fizzet_core::text::Text;

use crate::render::line;
use crate::render::page::{Page, wrap};
use crate::render::visible::{Cell, Spaces, cells, width};

/// All that is told.
pub struct Table {
    /// The shell that was chosen.
    pub shell: Shell,
    /// The parameters.
    pub parameters: Rc<[Vec<u8>]>,
    /// The IFS that was chosen; `None` when it is unset.
    pub ifs: Option<Vec<u8>>,
    /// Each form, with the IFS that was chosen.
    pub rows: Vec<Row>,
    /// Each form, for several values of IFS.
    pub by_ifs: Vec<(&'static str, Vec<Row>)>,
}

/// What a form makes.
pub struct Row {
    /// As it is written.
    pub form: &'static str,
    /// The arguments; `None` where the shell does not have the form.
    pub arguments: Option<Vec<Text>>,
    /// Shells in which it makes something else.
    pub others: Vec<Other>,
}

/// Shells that make something else of a form.
pub struct Other {
    /// The shells.
    pub shells: Vec<Shell>,
    /// What they make.
    pub arguments: Option<Vec<Text>>,
}

/// Columns of the form.
const FORM: usize = 14;

/// Writes the table.
pub fn write(page: &mut Page, table: &Table) {
    let ifs = match &table.ifs {
        None => "unset".to_owned(),
        Some(value) if value.is_empty() => "empty".to_owned(),
        Some(value) => {
            cells(value, Spaces::Marked).iter().map(|cell| &*cell.shown).collect::<String>()
        }
    };
    let count = table.parameters.len();
    let parameters = if count == 1 { "parameter" } else { "parameters" };
    page.text(&format!("{}: {count} {parameters}, IFS {ifs}", table.shell)).end_row();
    for row in &table.rows {
        page.text("  ");
        form(page, row.form);
        made(page, row.arguments.as_deref(), FORM + 2);
    }
    page.end_row();
    by_ifs(page, table);
    differences(page, table);
}

fn form(page: &mut Page, name: &str) {
    let typed = page.palette.typed;
    page.styled(typed, name).pad(FORM.saturating_sub(name.len()));
}

/// The number of arguments, and which.
fn made(page: &mut Page, arguments: Option<&[Text]>, margin: usize) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    let Some(arguments) = arguments else {
        page.text("the shell does not have it").end_row();
        return;
    };
    page.text(&format!("{:>3}", arguments.len()));
    let room = page.width.max(margin + 30);
    let mut used = margin + 3;
    for argument in arguments.iter().take(MAX_ARGUMENTS) {
        let shown = fitting(line::shown(argument), room - margin - 8);
        if used + width(&shown) + 4 > room {
            page.end_row().pad(margin + 3);
            used = margin + 3;
        }
        used += width(&shown) + 4;
        page.text("  ").styled(frame, "[").cells(&shown, bold).styled(frame, "]");
    }
    if arguments.len() > MAX_ARGUMENTS {
        page.text(&format!("  and {} more", arguments.len() - MAX_ARGUMENTS));
    }
    page.end_row();
}

/// The most arguments of one form that are shown.
const MAX_ARGUMENTS: usize = 40;

fn fitting(mut shown: Vec<Cell>, room: usize) -> Vec<Cell> {
    if width(&shown) > room {
        while width(&shown) + 3 > room && shown.len() > 1 {
            shown.pop();
        }
        shown.push(Cell { shown: "...".into(), width: 3, mark: true, start: 0, end: 0 });
    }
    shown
}

/// How many arguments each form makes for each IFS.
fn by_ifs(page: &mut Page, table: &Table) {
    let frame = page.palette.frame;
    page.text("by IFS").pad(FORM - 4);
    for (name, _) in &table.by_ifs {
        page.styled(frame, &format!("{name:>9}"));
    }
    page.end_row();
    for (at, row) in table.rows.iter().enumerate() {
        page.text("  ");
        form(page, row.form);
        for (_, rows) in &table.by_ifs {
            let (count, mark) = match &rows[at].arguments {
                None => ("-".to_owned(), ""),
                Some(made) => {
                    (made.len().to_string(), if rows[at].others.is_empty() { "" } else { "+" })
                }
            };
            page.text(&format!("{:>9}", format!("{count}{mark}")));
        }
        page.end_row();
    }
    page.text("  + some shells make something else of it").end_row();
}

/// Where shells differ, for the IFS that was chosen and for the others.
fn differences(page: &mut Page, table: &Table) {
    let known = SEPARATORS.iter().any(|one| one.value == table.ifs.as_deref());
    let chosen = (!known).then_some(("as chosen", &table.rows));
    let others = table.by_ifs.iter().map(|(name, rows)| (*name, rows));
    for (name, rows) in chosen.into_iter().chain(others) {
        if rows.iter().all(|row| row.others.is_empty()) {
            continue;
        }
        page.end_row();
        page.text(&format!("IFS {name}: where shells differ from {}", table.shell)).end_row();
        for row in rows.iter().filter(|row| !row.others.is_empty()) {
            for other in &row.others {
                let names: Vec<&str> = other.shells.iter().map(|shell| shell.name()).collect();
                page.text("  ");
                form(page, row.form);
                let mut listed =
                    wrap(&names.join(", "), page.width.saturating_sub(FORM + 4).max(20));
                let first = if listed.is_empty() { String::new() } else { listed.remove(0) };
                page.text(&first).end_row();
                for more in listed {
                    page.pad(FORM + 2).text(&more).end_row();
                }
                page.pad(FORM + 2);
                made(page, other.arguments.as_deref(), FORM + 2);
            }
        }
    }
}
