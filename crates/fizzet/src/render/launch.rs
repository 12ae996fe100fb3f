//! A way into the kernel for people: file by file, then the vector.

use fizzet_core::dialect::Reader;
use fizzet_core::kernel::Errno;
use fizzet_core::kernel::call::CallError;
use fizzet_core::kernel::call::faults::Fault;
use fizzet_core::kernel::call::function::{Call, Form};
use fizzet_core::kernel::call::value::{Value, ValueKind};
use fizzet_core::kernel::chain::{End, Failure, Hop, HopKind, Launch};
use fizzet_core::kernel::exec::Execution;
use fizzet_core::kernel::fallback::callers;
use fizzet_core::kernel::first_line::FirstLine;
use fizzet_core::kernel::memory::{WordKind, picture};
use fizzet_core::kernel::path::Tried;
use fizzet_core::kernel::remarks::{Remark, remarks};
use fizzet_core::source::{SourceId, SourceKind, Sources, Span};
use fizzet_core::text::Text;
use fizzet_core::trace::Trace;

use crate::render::excerpt::{self, Look, Mark};
use crate::render::line::{self, shown};
use crate::render::page::{Page, wrap};
use crate::render::visible::{Cell, Spaces, cells, rows, width};

/// The most files on the way that are shown.
const MOST_HOPS: usize = 12;
/// The most arguments that are shown.
const MOST: usize = 200;

/// The whole way.
pub fn write(page: &mut Page, sources: &Sources, launch: &Launch, start: &[u8]) {
    let frame = page.palette.frame;
    page.styled(frame, "exec ").text(&plain(start)).end_row();
    page.end_row();
    files(page, sources, launch);
    end(page, sources, launch, true);
}

/// The files on the way and the end, below the vector that has been shown: it is shown again only if it
/// has changed.
pub fn way(page: &mut Page, sources: &Sources, launch: &Launch) {
    files(page, sources, launch);
    let changed = launch.hops.iter().any(|hop| !matches!(hop.kind, HopKind::Search { .. }));
    end(page, sources, launch, changed);
}

fn files(page: &mut Page, sources: &Sources, launch: &Launch) {
    let shown = launch.hops.len().min(MOST_HOPS);
    for hop in &launch.hops[..shown] {
        one_hop(page, sources, hop);
        page.end_row();
    }
    if shown < launch.hops.len() {
        page.text(&format!("... and so on, {} times more", launch.hops.len() - shown)).end_row();
        page.end_row();
    }
}

fn end(page: &mut Page, sources: &Sources, launch: &Launch, with_vector: bool) {
    let frame = page.palette.frame;
    match &launch.end {
        End::Runs { path, is_hidden } => {
            page.styled(frame, "runs ").text(&plain(path)).end_row();
            if *is_hidden {
                sentence(page, "It may be executed but not read; it is taken for a program.");
            }
            if with_vector {
                vector(page, sources, &launch.argv);
            }
        }
        End::Fails(failure) => fails(page, sources, failure),
        End::ReadByShell { path } => {
            page.text(&plain(path)).styled(frame, " is nothing that the kernel knows").end_row();
            sentence(page, "The shell reads it itself as a script, $0 being this path.");
        }
        End::Endless => {
            let alert = page.palette.alert;
            page.styled(alert, "never ends").end_row();
            sentence(page, "The files call each other in a circle, through env, for ever.");
        }
        End::EnvRefuses { why, status } => {
            let alert = page.palette.alert;
            page.styled(alert, &format!("env ends with status {status}: ")).end_row();
            sentence(page, &format!("{why}."));
        }
    }
    for remark in remarks(launch, sources) {
        page.end_row();
        one_remark(page, sources, &remark);
    }
}

/// A call, what it hands over, and what comes of it.
pub fn call(
    page: &mut Page,
    sources: &Sources,
    call: &Call,
    execution: &Execution,
    faults: &[Fault],
) {
    let frame = page.palette.frame;
    page.styled(frame, call.function.name).end_row();
    let elements = call.argv.iter().filter(|value| value.span.source == call.span.source);
    let marks: Vec<Mark> = elements
        .enumerate()
        .map(|(at, value)| Mark { span: value.span, label: format!("[{at}]") })
        .collect();
    let ordered = marks.windows(2).all(|two| two[0].span.end <= two[1].span.start);
    let inside = marks.iter().all(|mark| mark.span.start >= call.span.start);
    let marks = if ordered && inside { &marks[..] } else { &[] };
    excerpt::write(page, sources, call.span, marks, Look::Words);
    match &execution.launch {
        Some(launch) => {
            page.end_row();
            let start = match call.function.form {
                Form::ShellText => b"/bin/sh",
                _ => text_of(&call.file),
            };
            write(page, sources, launch, start);
        }
        None => {
            let alert = page.palette.alert;
            page.end_row();
            page.styled(alert, "what happens is left to chance").end_row();
            vector_without_end(page, sources, &execution.handed);
        }
    }
    if execution.environment.is_none() {
        page.end_row();
        page.text("environment: the caller's own").end_row();
    }
    if let Some(environment) = &execution.environment {
        page.end_row();
        let count = match environment.len() {
            1 => "1 variable".to_owned(),
            count => format!("{count} variables"),
        };
        page.text(&format!("environment: {count}")).end_row();
        for variable in environment {
            let bold = page.palette.value;
            page.text("  ").cells(&shown(variable), bold).end_row();
        }
    }
    for fault in faults {
        page.end_row();
        let alert = page.palette.alert;
        page.styled(alert, &format!("note {}", fault.name)).end_row();
        let within = fault.place.source == call.span.source;
        let whole = match within && fault.place.start >= call.span.start {
            true => call.span.to(fault.place),
            false => line_around(sources, fault.place),
        };
        let mark = Mark { span: fault.place, label: String::new() };
        excerpt::write(page, sources, whole, &[mark], Look::Mistake);
        sentence(page, &format!("{}.", fault.text));
    }
}

/// The line that a place is on; of a very long one only the place.
fn line_around(sources: &Sources, place: Span) -> Span {
    let bytes = &sources.get(place.source).bytes;
    let start = sources.position(place).line_start;
    let end = bytes[start..].iter().position(|&byte| byte == b'\n');
    let line = Span::new(place.source, start, end.map_or(bytes.len(), |end| start + end));
    if line.len() > 600 { place } else { line }
}

fn text_of(value: &Value) -> &[u8] {
    match &value.kind {
        ValueKind::Text(text) => text.bytes(),
        _ => b"",
    }
}

fn vector_without_end(page: &mut Page, sources: &Sources, argv: &[Text]) {
    elements(page, sources, argv);
    let index = argv.len().to_string().len() + 3;
    let alert = page.palette.alert;
    page.styled(alert, &format!("{:>index$}  whatever lies there", format!("[{}]", argv.len())));
    page.end_row();
}

/// The new process's memory: the table that the stack pointer shows at, and the strings.
pub fn memory(page: &mut Page, launch: &Launch) {
    let End::Runs { .. } = &launch.end else { return };
    let argv: Vec<&[u8]> = launch.argv.iter().map(Text::bytes).collect();
    let environment: Vec<&[u8]> = launch.environment.iter().map(Vec::as_slice).collect();
    let made = picture(&argv, &environment, &launch.file);
    let frame = page.palette.frame;
    page.end_row();
    page.text("memory of the new process, from its stack pointer on").end_row();
    let told = |kind: WordKind| match kind {
        WordKind::Count(count) => format!("argc = {count}"),
        WordKind::Argument(index, offset) => format!("argv[{index}]  → s+{offset}"),
        WordKind::Variable(index, offset) => format!("envp[{index}]  → s+{offset}"),
        WordKind::Null => "NULL".into(),
    };
    let all = made.words.len();
    for (at, word) in made.words.iter().enumerate() {
        if left_out(page, at, all) {
            continue;
        }
        page.styled(frame, &format!("  +{:<6} ", word.offset)).text(&told(word.kind)).end_row();
    }
    page.styled(frame, "  ...     ").text("the auxiliary vector").end_row();
    page.end_row();
    page.text(&format!("strings, {} bytes with their NULs", made.bytes)).end_row();
    let all = made.strings.len();
    for (at, string) in made.strings.iter().enumerate() {
        if left_out(page, at, all) {
            continue;
        }
        let room = page.width.saturating_sub(16).max(8);
        let text: Vec<Cell> = cells(&string.bytes[..string.bytes.len().min(400)], Spaces::Marked);
        let mut row: Vec<Cell> = rows(&text, room)[0].to_vec();
        let is_cut = row.len() < text.len() || string.bytes.len() > 400;
        let end = if is_cut { "… NUL" } else { "NUL" };
        let bold = page.palette.value;
        row.truncate(text.len());
        page.styled(frame, &format!("  s+{:<6} ", string.offset)).cells(&row, bold);
        page.styled(frame, &format!(" {end}")).end_row();
    }
}

/// Whether a row in the middle of a long picture is not shown.
fn left_out(page: &mut Page, at: usize, all: usize) -> bool {
    const SHOWN: usize = 24;
    let hidden = SHOWN..all.saturating_sub(4);
    if at == hidden.start && !hidden.is_empty() {
        page.text(&format!("  ... {} more", hidden.len())).end_row();
    }
    hidden.contains(&at)
}

/// What `sh -c` makes of the text of `system` and `popen`.
pub fn by_sh(page: &mut Page, trace: &Trace) {
    page.end_row();
    page.text("sh evaluates the text:").end_row();
    page.end_row();
    line::write(page, trace, &[]);
}

/// C text that cannot be read.
pub fn mistake(page: &mut Page, sources: &Sources, error: &CallError) {
    let alert = page.palette.alert;
    let position = sources.position(error.span);
    let place = match &sources.get(error.span.source).kind {
        SourceKind::Variable { name, .. } => format!("--let {}, ", plain(name)),
        _ => String::new(),
    };
    page.styled(alert, "error: ").text(&error.message).end_row();
    page.text(&format!("{place}line {}, column {}", position.line, position.column)).end_row();
    let whole = line_around(sources, error.span);
    let mark = Mark { span: error.span, label: String::new() };
    excerpt::write(page, sources, whole, &[mark], Look::Mistake);
    sentence(page, &error.hint);
}

fn one_hop(page: &mut Page, sources: &Sources, hop: &Hop) {
    let (frame, bold) = (page.palette.frame, page.palette.value);
    match &hop.kind {
        HopKind::Script { line, source } => {
            page.text(&plain(&hop.path)).styled(frame, " is a script").end_row();
            first_line(page, sources, line, *source);
        }
        HopKind::Unknown => {
            page.text(&plain(&hop.path));
            page.styled(frame, " is nothing that the kernel knows: execvp hands it to /bin/sh")
                .end_row();
        }
        HopKind::Search { tried: paths } => {
            page.text(&plain(&hop.path)).styled(frame, " is looked for on PATH").end_row();
            tried(page, paths);
        }
        HopKind::Env { sets, unsets } => {
            let name = hop.argv.first().map(|name| plain(name.bytes())).unwrap_or_default();
            page.styled(frame, "env is to start ").text(&name);
            page.text(&format!(" with {} arguments", hop.argv.len() - 1)).end_row();
            for set in sets {
                page.styled(frame, "  sets ").cells(&shown(set), bold).end_row();
            }
            if unsets.all {
                page.styled(frame, "  takes away all variables").end_row();
            }
            for name in &unsets.names {
                page.styled(frame, "  takes away ").text(&plain(name.bytes())).end_row();
            }
        }
    }
}

fn first_line(page: &mut Page, sources: &Sources, line: &FirstLine, source: SourceId) {
    let bytes = &sources.get(source).bytes;
    let last = line.argument.as_ref().map_or(line.interpreter.end, |argument| argument.end);
    let end = bytes.iter().position(|&byte| byte == b'\n').unwrap_or(bytes.len());
    let mark = |range: &std::ops::Range<usize>, label: &str| Mark {
        span: Span::new(source, range.start, range.end),
        label: label.into(),
    };
    let mut marks = vec![mark(&line.interpreter, "interpreter")];
    marks.extend(line.argument.as_ref().map(|argument| mark(argument, "one argument")));
    let whole = Span::new(source, 0, end.max(last));
    excerpt::write(page, sources, whole, &marks, Look::Words);
}

/// The paths that were tried on PATH, each with what was found there.
pub(super) fn tried(page: &mut Page, paths: &[Tried]) {
    let frame = page.palette.frame;
    let wide = paths.iter().map(|one| plain(&one.path).chars().count()).max().unwrap_or(0).min(40);
    for one in paths {
        let told = match &one.refused {
            None => "found".to_owned(),
            Some((errno, why)) => format!("{}: {why}", errno.name()),
        };
        page.text(&format!("  {:wide$}  ", plain(&one.path))).styled(frame, &told).end_row();
    }
}

/// The vector, each element with where it came from.
pub(super) fn vector(page: &mut Page, sources: &Sources, argv: &[Text]) {
    elements(page, sources, argv);
    let index = argv.len().to_string().len() + 3;
    let frame = page.palette.frame;
    page.styled(frame, &format!("{:>index$}  NULL", format!("[{}]", argv.len()))).end_row();
}

fn elements(page: &mut Page, sources: &Sources, argv: &[Text]) {
    page.text(&format!("argc = {}", argv.len())).end_row();
    let index = argv.len().to_string().len() + 3;
    let room = page.width.saturating_sub(index + 4).max(12);
    let left_out = if argv.len() > MOST { MOST / 2..argv.len() - MOST / 2 } else { 0..0 };
    let kept = |at: &usize| !left_out.contains(at);
    let values = (0..argv.len()).filter(kept).map(|at| width(&shown(&argv[at])));
    let value = values.max().unwrap_or(4).clamp(4, room * 6 / 10);
    let (frame, bold) = (page.palette.frame, page.palette.value);
    for (at, text) in argv.iter().enumerate() {
        if at == left_out.start && !left_out.is_empty() {
            page.text(&format!("  ... {} more", left_out.len())).end_row();
        }
        if left_out.contains(&at) {
            continue;
        }
        let cells = shown(text);
        let why = wrap(&reason(sources, text), room.saturating_sub(value).max(8));
        let value_rows = rows(&cells, value);
        for row in 0..value_rows.len().max(why.len()) {
            let label = if row == 0 { format!("[{at}]") } else { String::new() };
            page.styled(frame, &format!("{label:>index$}")).text("  ");
            let part = value_rows.get(row).copied().unwrap_or_default();
            page.cells(part, bold).pad(value.saturating_sub(width(part)) + 2);
            page.text(why.get(row).map_or("", |row| row)).end_row();
        }
    }
}

/// Where an element came from, in words.
fn reason(sources: &Sources, text: &Text) -> String {
    let Some((run, _)) = text.runs().next() else { return String::new() };
    let span =
        run.origin.hops().last().map_or(run.origin.span(), fizzet_core::lineage::Origin::span);
    match &sources.get(span.source).kind {
        SourceKind::File(path) => {
            let position = sources.position(span);
            let is_mark = position.line == 1 && sources.get(span.source).bytes.starts_with(b"#!");
            match is_mark {
                true => format!("column {} of the #! line of {}", position.column, plain(path)),
                false => format!("line {}, column {}", position.line, position.column),
            }
        }
        SourceKind::Path => "the path of the script".into(),
        SourceKind::Argument(number) => format!("argument {number}, as given"),
        SourceKind::Zero => "argv[0], as the caller gives it".into(),
        SourceKind::Line => {
            let position = sources.position(span);
            match position.line {
                1 => format!("column {}, as written", position.column),
                line => format!("line {line}, column {}, as written", position.column),
            }
        }
        SourceKind::Variable { name, .. } => {
            match span.len() == sources.get(span.source).bytes.len() {
                true => format!("the value of {}, as given", plain(name)),
                false => {
                    let column = sources.position(span).column;
                    format!("column {column} of the value of {}", plain(name))
                }
            }
        }
        _ if text.is_empty() => "put there by the kernel: the vector was empty".into(),
        _ => "put there by the caller".into(),
    }
}

fn fails(page: &mut Page, sources: &Sources, failure: &Failure) {
    let alert = page.palette.alert;
    let Failure { errno, path, why, place } = failure;
    page.styled(alert, &format!("fails with {}", errno.name()));
    page.text(&format!(" ({})", errno.message())).end_row();
    if let Some(place) = place {
        let bytes = &sources.get(place.source).bytes;
        let end = bytes.iter().position(|&byte| byte == b'\n').unwrap_or(bytes.len());
        let whole = Span::new(place.source, 0, end.max(place.end as usize));
        let mark = Mark { span: *place, label: errno.name().into() };
        excerpt::write(page, sources, whole, &[mark], Look::Mistake);
    }
    sentence(page, &format!("{}: {why}.", plain(path)));
}

/// Who would run all the same what the kernel does not know.
pub fn fallback(page: &mut Page, launch: &Launch, head: &[u8]) {
    let End::Fails(Failure { errno: Errno::ENOEXEC, .. }) = &launch.end else { return };
    page.end_row();
    page.text("What callers make of ENOEXEC:").end_row();
    let frame = page.palette.frame;
    for (name, unknown) in callers() {
        let told = match unknown.reader_of(head) {
            None => "hands the error on",
            Some(Reader::Sh) => "executes /bin/sh with the path before the arguments",
            Some(Reader::Itself) => "reads the file itself as a script, $0 being the path",
        };
        let indent = 4;
        page.text(&format!("  {name}")).end_row();
        for row in wrap(told, page.width.saturating_sub(indent)) {
            page.pad(indent).styled(frame, &row).end_row();
        }
    }
}

fn one_remark(page: &mut Page, sources: &Sources, remark: &Remark) {
    let alert = page.palette.alert;
    page.styled(alert, &format!("note {}", remark.name)).end_row();
    if let Some(place) = remark.place {
        let told: String =
            cells(sources.bytes(place), Spaces::Marked).iter().map(|cell| &*cell.shown).collect();
        sentence(page, &format!("{told}: {}.", remark.text));
    } else {
        sentence(page, &format!("{}.", remark.text));
    }
}

/// Prose, two columns in.
pub(super) fn sentence(page: &mut Page, text: &str) {
    for row in wrap(text, page.width.saturating_sub(2)) {
        page.pad(2).text(&row).end_row();
    }
}

/// Bytes of a path on one row.
pub(super) fn plain(bytes: &[u8]) -> String {
    let shown = &bytes[..bytes.len().min(400)];
    let mut text: String = cells(shown, Spaces::Marked).iter().map(|cell| &*cell.shown).collect();
    match bytes.len() {
        0 => text.push_str("⟨empty⟩"),
        length if length > 400 => text.push_str(&format!("⟨and {} more bytes⟩", length - 400)),
        _ => {}
    }
    text
}
