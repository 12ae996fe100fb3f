//! `walk --shell all`: the programs of a script that do not receive the same in every shell.

use std::collections::HashMap;

use fizzet_core::source::SourceId;
use fizzet_core::trace::{CommandKind, Trace};

use crate::render::line::with_marks;
use crate::render::page::Page;
use crate::render::shells::{
    DIFFERS, GUESSED, Group, arguments, counts, head, is_guessed, write_groups,
};

/// The most programs that are shown.
const MAX_PROGRAMS: usize = 40;
/// How much room the line and the name of a program have before the columns.
const LABEL: usize = 20;

type Vector = Vec<Vec<u8>>;

/// A program as a script starts it: where that is written, and for the how-manieth time.
struct Program {
    /// Its line in the text that it is written in.
    line: usize,
    /// The text, if it is not the script itself.
    text: Option<String>,
    /// How often its command has been carried out before.
    pass: usize,
    /// What it receives in each shell, if it is started there.
    vectors: Vec<Option<Vector>>,
}

impl Program {
    fn label(&self) -> String {
        let pass = match self.pass {
            0 => String::new(),
            pass => format!(" #{}", pass + 1),
        };
        let place = match &self.text {
            Some(text) => format!("{text} {}", self.line),
            None => format!("line {}", self.line),
        };
        let room = LABEL.saturating_sub(place.chars().count() + pass.len() + 2);
        let name: String = self.name().chars().take(room).collect();
        format!("{place} {name}{pass}")
    }

    /// The name that it is started by.
    fn name(&self) -> String {
        let name = self.vectors.iter().flatten().find_map(|vector| vector.first());
        name.map_or_else(String::new, |name| String::from_utf8_lossy(name).into_owned())
    }

    fn differs(&self) -> bool {
        self.vectors.iter().any(|vector| *vector != self.vectors[0])
    }
}

/// All programs of all traces, in the order of the first trace that starts them.
fn programs(traces: &[Trace]) -> Vec<Program> {
    let mut all: Vec<Program> = Vec::new();
    let mut known: HashMap<(String, u32, usize), usize> = HashMap::new();
    for (shell, trace) in traces.iter().enumerate() {
        let mut passes: HashMap<(String, u32), usize> = HashMap::new();
        let is_program = |kind| kind == CommandKind::External;
        for command in trace.commands.iter().filter(|command| is_program(command.kind)) {
            let source = trace.sources.get(command.span.source).kind.name().into_owned();
            let place = (source, command.span.start);
            let pass = passes.entry(place.clone()).or_insert(0);
            let at = *known.entry((place.0.clone(), place.1, *pass)).or_insert_with(|| {
                let line = trace.sources.position(command.span).line;
                let main = trace.sources.get(SourceId::MAIN).kind.name();
                let text = (place.0 != main).then_some(place.0);
                let vectors = vec![None; traces.len()];
                all.push(Program { line, text, pass: *pass, vectors });
                all.len() - 1
            });
            *pass += 1;
            let vector = command.argv.iter().map(with_marks).collect();
            all[at].vectors[shell] = Some(vector);
        }
    }
    all
}

/// The columns of what differs, then each group with what its programs receive and why.
pub fn write(page: &mut Page, traces: &[Trace], groups: &[Group], lines: impl Fn(usize) -> bool) {
    let mut all = programs(traces);
    all.retain(|program| program.text.is_some() || lines(program.line));
    let differing: Vec<&Program> = all.iter().filter(|program| program.differs()).collect();
    let wide = head(page, traces, groups, LABEL);
    for program in differing.iter().take(MAX_PROGRAMS) {
        counts(page, &program.label(), (LABEL, wide), &program.vectors);
    }
    if differing.len() > MAX_PROGRAMS {
        let more = differing.len() - MAX_PROGRAMS;
        page.text(&format!("... and {more} more programs that differ")).end_row();
    }
    let mut vectors = differing.iter().flat_map(|program| program.vectors.iter().flatten());
    if vectors.any(|vector| is_guessed(vector)) {
        page.styled(page.palette.frame, GUESSED).end_row();
    }
    if groups.len() > 1 {
        page.styled(page.palette.frame, DIFFERS).end_row();
    }
    let alike = all.len() - differing.len();
    let told = match (alike, differing.len()) {
        (0, 0) => "No program is started.".into(),
        (alike, 0) => format!("All shells agree: {} the same.", receive(alike)),
        (0, _) => "No program receives the same in every shell.".into(),
        (alike, _) => format!("{} the same in every shell.", receive(alike)),
    };
    page.text(&told).end_row();
    if groups.len() == 1 {
        return;
    }
    let column = |group: &Group| traces.iter().position(|trace| trace.shell == group.shells[0]);
    write_groups(page, groups, &|page, at, group| {
        let Some(column) = column(group) else { return };
        let own = |program: &&&Program| at == 0 || program.vectors[column] != program.vectors[0];
        for program in differing.iter().filter(own).take(MAX_PROGRAMS) {
            let label = format!("   {:<LABEL$}", program.label());
            match &program.vectors[column] {
                Some(vector) => arguments(page, &label, vector),
                None => {
                    page.styled(page.palette.frame, &label);
                    page.text("not started").end_row();
                }
            }
        }
    });
}

fn receive(count: usize) -> String {
    if count == 1 { "1 program receives".into() } else { format!("{count} programs receive") }
}
