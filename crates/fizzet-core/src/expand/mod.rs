//! Words to fields: the expansions of POSIX XCU 2.6, a file a stage.
//!
//! A word goes through brace expansion, then tilde expansion, parameter expansion, command
//! substitution and arithmetic expansion (together, from left to right, in [`substitute`]), then
//! field splitting and pathname expansion. Quote removal needs no stage of its own: quotes are never
//! part of a [`Text`], they are remembered as the standing of its runs.

mod alone;
pub mod arithmetic;
mod assigned_list;
mod brace;
mod brace_fields;
mod brace_format;
mod brace_text;
pub(crate) mod case;
mod change;
mod combine;
mod compound;
mod continued;
mod dequote;
pub(crate) mod disciplines;
mod distribute;
mod element_range;
mod emitted;
mod fields;
mod flagged;
mod flagged_value;
mod flags;
mod glob;
mod half_known;
mod instead;
mod line;
mod lone;
mod matched;
mod measured;
mod modifiers;
mod number;
mod operate;
pub(crate) mod parameter;
mod parts;
pub mod pattern;
pub(crate) mod percent;
pub(crate) mod places;
mod prompt;
mod qualifiers;
mod quoted_lists;
pub(crate) mod quoting;
pub(crate) mod regular;
mod rejoined;
mod replace;
mod replace_anew;
mod searched_ranges;
mod shell_words;
mod slice;
mod split;
mod splitters;
mod stages;
mod subscripts;
mod substitute;
mod tilde;
mod tilde_cut;
mod told_tables;
pub(crate) mod transform;
mod trimmed;
pub(crate) mod unknown;
pub(crate) mod unprintable;
mod whole;
mod word_subscripts;

use std::rc::Rc;

pub(crate) use compound::{options_of, value_text};
pub(crate) use fields::ifs;
use fields::{match_all, split_all, split_value, split_with_ends};
pub(crate) use flags::backslashed;
pub(crate) use line::{Fields, fields_of_line};
pub(crate) use number::Number;
pub(crate) use number::shown_real;
pub(crate) use parameter::Held;
pub(crate) use searched_ranges::searched_range;
pub use split::Ifs;
pub(crate) use stages::telling;
pub(crate) use subscripts::place_found;
pub(crate) use word_subscripts::{are_about_words, word_meant};

use crate::dialect::{Braces, DocumentJoiner};
use crate::expand::parts::is_list_part;
use crate::expand::substitute::{Joiner, Piece, Place, Substitution};
use crate::host::Host;
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::stop::{Status, Stop};
use crate::syntax::ast::{
    CommandSubstitution, Operation, Parameter, ParameterName, Part, ProcessSubstitution, Word,
};
use crate::text::{Run, Standing, Text};
use crate::trace::{Expansion, Stage, WordTrace};

/// What the expansions need from the evaluator.
pub trait Context {
    /// The shell's state.
    fn state(&mut self) -> &mut State;

    /// Whether a variable belongs to a function that is being called.
    fn is_local(&self, _name: &[u8]) -> bool {
        false
    }

    /// The outside world.
    fn host(&self) -> Rc<dyn Host>;

    /// Where expansions are recorded, when somebody wants to read them.
    fn record(&mut self) -> Option<&mut WordTrace>;

    /// The output of a command substitution, without its last newlines.
    ///
    /// # Errors
    /// Whatever stops the commands inside.
    fn command_output(&mut self, command: &CommandSubstitution) -> Result<Text, Stop>;

    /// Carries the commands of a process substitution out, and answers the name of the file that stands for
    /// it, if that can be known.
    ///
    /// # Errors
    /// Whatever stops the commands inside.
    fn process(&mut self, process: &ProcessSubstitution) -> Result<Option<Vec<u8>>, Stop>;

    /// Calls a function of the shell, whose first argument is its name; an expression does that.
    ///
    /// # Errors
    /// Whatever stops its commands, and where there is no such function.
    fn call_function(&mut self, name: &[u8], argv: Vec<Text>, span: Span) -> Result<(), Stop>;

    /// Whether `unset name` under `set -u`, a failed `${x?}` and the like are errors is the shell's
    /// matter; this makes a hole and says that an answer is missing.
    fn missing(&mut self, what: &str, span: Span);
}

/// All fields that a word makes: the arguments of a simple command.
///
/// # Errors
/// An expansion that the shell refuses, or a limit.
pub fn fields(cx: &mut dyn Context, word: &Word) -> Result<Vec<Text>, Stop> {
    let mut fields = Vec::new();
    fields_onto(cx, word, false, &mut fields)?;
    Ok(fields)
}

/// The same, put behind those of other words; `assigned`: whether what looks like an assignment has tildes as one.
///
/// # Errors
/// As for [`fields`]; then nothing is put there.
pub fn fields_onto(
    cx: &mut dyn Context,
    word: &Word,
    assigned: bool,
    fields: &mut Vec<Text>,
) -> Result<(), Stop> {
    let dialect = &cx.state().dialect;
    let tilde = match () {
        () if assigned || dialect.tilde_in_arguments => Tilde::AfterAssignment,
        () if dialect.tilde_after_equals => Tilde::AfterEquals,
        () => Tilde::AtStart,
    };
    match short_field(cx, word) {
        Some(field) => fields.push(field),
        None => fields.append(&mut long_fields(cx, word, tilde)?),
    }
    Ok(())
}

/// Where a word has tildes that becomes one text and no argument: the word of `case`, a pattern, an operand of
/// `[[ ]]`.
fn lone_tilde(state: &State, word: &Word) -> Tilde {
    let dialect = &state.dialect;
    let has_tilde =
        |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'~'));
    match dialect.lone_words_may_assign && word.parts.iter().any(has_tilde) {
        true if dialect.tilde_in_arguments => Tilde::AfterAssignment,
        true if dialect.tilde_after_equals => Tilde::AfterEquals,
        _ => Tilde::AtStart,
    }
}

/// The one text of the word of `case` or of an operand of `[[ ]]`.
///
/// # Errors
/// As for [`fields`].
pub(crate) fn lone(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let tilde = lone_tilde(cx.state(), word);
    single(cx, word, tilde)
}

/// All fields of a word that names files: nothing in it looks like an assignment.
///
/// # Errors
/// As for [`fields`].
pub fn file_fields(cx: &mut dyn Context, word: &Word) -> Result<Vec<Text>, Stop> {
    fields_with(cx, word, Tilde::AtStart)
}

/// The one field of a word that no stage changes in any shell: most words of most scripts.
pub fn unchanged(word: &Word) -> Option<Text> {
    word.always.get_or_init(|| always(word).map(Box::new)).as_deref().cloned()
}

fn always(word: &Word) -> Option<Text> {
    let [Part::Literal { bytes, span }] = &word.parts[..] else { return None };
    let active =
        |byte: &u8| matches!(byte, b'*' | b'?' | b'[' | b'~' | b'{' | b'(' | b'^' | b'#' | b'<');
    let begins_value = |pair: &[u8]| matches!(pair, b"==" | b":=");
    let changes = bytes.iter().any(active)
        || bytes.first() == Some(&b'=')
        || bytes.windows(2).any(begins_value);
    (!changes || **bytes == *b"[")
        .then(|| Text::copied(bytes, Standing::Plain, Origin::new(Rule::Literal, *span)))
}

/// Whether braces make several words of this one before anything else is done with it.
///
/// # Errors
/// More words than there is room for.
pub fn makes_words(cx: &mut dyn Context, word: &Word) -> Result<bool, Stop> {
    let state = cx.state();
    let expands = state.dialect.braces == Braces::Written && state.expands_braces();
    let made = if expands { braced(cx, word)? } else { None };
    Ok(made.is_some_and(|words| words.len() > 1))
}

/// The words that a word's braces make; `None` if it has none.
fn braced(cx: &mut dyn Context, word: &Word) -> Result<Option<Vec<Word>>, Stop> {
    let state = cx.state();
    let limit = state.limits.braces;
    if brace_text::may_end_early(word) {
        let written = state.sources.bytes(word.span);
        match brace_text::words(word, written, (&state.dialect, limit))? {
            None => {}
            Some(Ok(words)) => return Ok(Some(words)),
            Some(Err(error)) => {
                let status = state.dialect.bad_substitution_status;
                let message = format!("braces cut a quote or an expansion off: {error}");
                return Err(state.mistake(message, word.span, status));
            }
        }
    }
    brace::words(word, limit)
}

fn fields_with(cx: &mut dyn Context, word: &Word, tilde: Tilde) -> Result<Vec<Text>, Stop> {
    match short_field(cx, word) {
        Some(field) => Ok(vec![field]),
        None => long_fields(cx, word, tilde),
    }
}

/// The one field of a word for which there is a short way through the stages.
fn short_field(cx: &mut dyn Context, word: &Word) -> Option<Text> {
    unchanged(word).or_else(|| lone::field(cx, word))
}

/// The fields of a word behind all stages.
fn long_fields(cx: &mut dyn Context, word: &Word, tilde: Tilde) -> Result<Vec<Text>, Stop> {
    stages::keep_words(cx, Stage::Written, std::slice::from_ref(word));
    let state = cx.state();
    if state.dialect.braces == Braces::Written
        && state.expands_braces()
        && let Some(words) = braced(cx, word)?
    {
        stages::keep_words(cx, Stage::Braces, &words);
        // A word that braces make looks like an assignment no more.
        let tilde = if tilde == Tilde::AfterAssignment { Tilde::AtStart } else { tilde };
        let mut made = Vec::with_capacity(words.len());
        for word in &words {
            made.append(&mut brace_free_fields(cx, word, tilde)?);
        }
        return Ok(made);
    }
    brace_free_fields(cx, word, tilde)
}

/// All fields that an element of an array makes: as [`fields`], but what looks like an assignment is
/// none.
///
/// # Errors
/// As for [`fields`].
pub fn element_fields(cx: &mut dyn Context, word: &Word) -> Result<Vec<Text>, Stop> {
    let dialect = &cx.state().dialect;
    let tilde = match () {
        () if dialect.tilde_after_equals => Tilde::AfterEquals,
        () if dialect.tilde_in_fields => Tilde::AfterColons,
        () => Tilde::AtStart,
    };
    fields_with(cx, word, tilde)
}

fn brace_free_fields(cx: &mut dyn Context, word: &Word, tilde: Tilde) -> Result<Vec<Text>, Stop> {
    let pieces = Substitution::run(cx, word, Place { tilde, ..Place::FIELDS })?;
    keep_pieces(cx, &pieces);
    let mut texts = split_all(cx, pieces, word)?;
    stages::keep(cx, Stage::Splitting, &texts);
    if cx.state().dialect.tilde_in_later_fields {
        // An empty last parameter of `"$@"` does not hide the tilde, as written empty quotes do.
        let hides =
            |run: &Run, bytes: &[u8]| !bytes.is_empty() || run.origin.rule() != Rule::Parameter;
        let plain = |text: &Text| {
            let first = text.runs().find(|(run, bytes)| hides(run, bytes));
            first.is_some_and(|(run, _)| run.standing == Standing::Plain)
        };
        // Behind an empty first field the second does not count.
        let operates = matches!(word.parts.first(), Some(Part::Parameter(first))
            if !matches!(first.operation, Operation::Value | Operation::Instead { .. }));
        let empty = texts.first().is_some_and(|first| first.is_empty()) && !operates;
        let skipped = if empty { 2 } else { 1 };
        for text in texts.iter_mut().skip(skipped).filter(|text| plain(text)) {
            *text = tilde::in_field(cx, std::mem::take(text), word.span, Tilde::AtStart)?;
        }
    }
    if expands_fields(cx.state()) {
        texts = field_braces(cx.state(), texts, word)?;
        stages::keep(cx, Stage::FieldBraces, &texts);
    }
    if cx.state().dialect.tilde_in_fields {
        for text in &mut texts {
            *text = tilde::in_field(cx, std::mem::take(text), word.span, tilde)?;
        }
        stages::keep(cx, Stage::FieldTildes, &texts);
    }
    let fields = match_all(cx, texts, word)?;
    stages::keep(cx, Stage::Pathnames, &fields);
    Ok(fields)
}

/// Whether the shell expands the braces of finished fields, as it stands.
fn expands_fields(state: &State) -> bool {
    state.dialect.braces == Braces::Fields && state.expands_braces()
}

/// The fields that the braces of a word's fields make.
fn field_braces(state: &mut State, texts: Vec<Text>, word: &Word) -> Result<Vec<Text>, Stop> {
    let dialect = state.dialect.clone();
    let braces = brace_fields::Braces {
        dialect: &dialect,
        in_values: dialect.braces_in_values && !state.options.no_glob,
        in_quoted: match (dialect.quoted_values_have_commas, state.options.no_glob) {
            (false, _) => None,
            (true, false) => Some(brace_fields::InQuoted::Values),
            (true, true) => Some(brace_fields::InQuoted::All),
        },
        letters: state.options.brace_letters,
        limit: state.limits.braces,
        span: word.span,
        in_pattern: dialect.escaped_opener_counts && has_written_pattern(&word.parts, false, state),
        has_bare_values: word.parts.iter().any(|part| {
            !matches!(part, Part::Literal { .. } | Part::Double { .. } | Part::Single { .. })
        }),
    };
    braces.expand(texts)
}

/// Whether a character of patterns is written in these parts, outside quotes or in the pattern of an
/// operation.
fn has_written_pattern(parts: &[Part], quoted: bool, state: &State) -> bool {
    parts.iter().any(|part| match part {
        Part::Literal { bytes, .. } => {
            !quoted && bytes.iter().any(|byte| matches!(byte, b'*' | b'?' | b'['))
        }
        Part::Double { parts, .. } => has_written_pattern(parts, true, state),
        Part::Parameter(parameter) => match &parameter.operation {
            Operation::Remove { pattern, .. } | Operation::Replace { pattern, .. } => {
                is_set(parameter, state) && has_written_pattern(&pattern.parts, false, state)
            }
            Operation::Instead { word, .. } => has_written_pattern(&word.parts, quoted, state),
            _ => false,
        },
        _ => false,
    })
}

/// Whether a parameter is set, so that the pattern of an operation on it is looked at.
fn is_set(parameter: &Parameter, state: &State) -> bool {
    match &parameter.name {
        ParameterName::Variable(name) => state.variables.get(name).is_some(),
        ParameterName::Positional(number) => state.positional.get(*number).is_some(),
        ParameterName::Special(_) | ParameterName::Inside(_) => true,
    }
}

/// Keeps what the expansions made, before it is split. The last piece stands for no field if it is
/// nothing.
fn keep_pieces(cx: &mut dyn Context, pieces: &[Piece]) {
    let texts = pieces.iter().map(|piece| &piece.text).filter(|text| !text.is_nothing());
    stages::keep(cx, Stage::Expansion, texts);
}

/// The one text that a word makes where no splitting takes place: an assignment's value, the word of
/// a `case`, the target of a redirection.
///
/// # Errors
/// As for [`fields`].
pub fn single(cx: &mut dyn Context, word: &Word, tilde: Tilde) -> Result<Text, Stop> {
    let dialect = &cx.state().dialect;
    let joiner = match tilde {
        Tilde::AfterColons if dialect.assigned_lists_use_ifs => Joiner::Assigned,
        Tilde::AfterAssignment if dialect.declared_star_has_spaces => Joiner::Declared,
        _ => Joiner::Ifs,
    };
    single_with(cx, word, tilde, joiner)
}

/// The text of a here-string.
///
/// # Errors
/// As for [`fields`].
pub fn here_string(cx: &mut dyn Context, word: &Word, tilde: Tilde) -> Result<Text, Stop> {
    let joiner = match cx.state().dialect.assigned_lists_use_ifs {
        true => Joiner::Assigned,
        false => Joiner::Ifs,
    };
    single_with(cx, word, tilde, joiner)
}

fn single_with(
    cx: &mut dyn Context,
    word: &Word,
    tilde: Tilde,
    joiner: Joiner,
) -> Result<Text, Stop> {
    let joins_stars = tilde != Tilde::AfterAssignment;
    let place = Place { tilde, joiner, joins_stars, ..Place::SINGLE };
    let text = joined(Substitution::run(cx, word, place)?);
    match cx.state().dialect.tilde_in_fields && tilde != Tilde::Never {
        true => tilde::in_field(cx, text, word.span, tilde),
        false => Ok(text),
    }
}

/// What the value of an assignment becomes where patterns in it match files: one text or several.
///
/// # Errors
/// As for [`fields`].
pub fn assigned(cx: &mut dyn Context, value: Text, word: &Word) -> Result<Vec<Text>, Stop> {
    match_all(cx, vec![value], word)
}

/// The text of a here-document.
///
/// # Errors
/// As for [`fields`].
pub fn document(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let state = cx.state();
    let joiner = match state.dialect.document_joiner {
        DocumentJoiner::Ifs => Joiner::Ifs,
        DocumentJoiner::Space => Joiner::Space,
        DocumentJoiner::IfsOrSpace if ifs(state).is_empty() => Joiner::Space,
        DocumentJoiner::IfsOrSpace => Joiner::IfsForAll,
        DocumentJoiner::SpaceForParameters => {
            Joiner::SpaceForParameters { changed: !word.parts.iter().any(is_list_part) }
        }
    };
    let document = cx.state().dialect.document_words_have_tildes;
    let place = Place { quoted: true, joiner, tilde: Tilde::Never, document, ..Place::SINGLE };
    Ok(joined(Substitution::run(cx, word, place)?))
}

/// The text of a pattern: as [`single`], with the quoting kept for [`pattern::Pattern::from_text`].
///
/// # Errors
/// As for [`fields`].
pub fn pattern_text(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let tilde = lone_tilde(cx.state(), word);
    let text = single_with(cx, word, tilde, Joiner::OfPattern)?;
    let status = cx.state().dialect.condition_pattern_status;
    closed_pattern(cx, text, word.span, status)
}

/// The same in an operation on a parameter, with a tilde expanded where `tilde` says.
pub(crate) fn pattern_text_with(
    cx: &mut dyn Context,
    word: &Word,
    tilde: Tilde,
) -> Result<Text, Stop> {
    let mut text = single_with(cx, word, tilde, Joiner::OfPattern)?;
    if cx.state().dialect.bare_groups && text.bytes().contains(&b'|') {
        text = without_written_bars(&text, word);
    }
    closed_pattern(cx, text, word.span, 1)
}

/// The pattern of an operation in which the bars that are written there, outside of parentheses, are text; those of
/// values and of words inside separate alternatives (observed in zsh 5.9).
fn without_written_bars(text: &Text, word: &Word) -> Text {
    let literals = || word.parts.iter().filter(|part| matches!(part, Part::Literal { .. }));
    let within = |outer: Span, inner: Span| {
        outer.source == inner.source && outer.start <= inner.start && inner.end <= outer.end
    };
    let is_written = |span: Span| literals().any(|part| within(part.span(), span));
    let (mut made, mut open) = (Text::new(), 0u32);
    for (run, bytes) in text.runs() {
        if run.hole || run.is_quoted() {
            made.push_run(run, bytes);
            continue;
        }
        let here = is_written(run.origin.span());
        for byte in bytes {
            match byte {
                b'(' => open += 1,
                b')' => open = open.saturating_sub(1),
                _ => {}
            }
            let is_text = here && open == 0 && *byte == b'|';
            let standing = if is_text { Standing::Quoted } else { run.standing };
            made.push(&[*byte], standing, &run.origin);
        }
    }
    made
}

/// A pattern whose brackets and groups end, where the shell minds.
fn closed_pattern(
    cx: &mut dyn Context,
    text: Text,
    span: Span,
    status: Status,
) -> Result<Text, Stop> {
    let state = cx.state();
    let rules = state.text_pattern_rules();
    let lone = || text.bytes() == b"[" && text.quoting() == [false];
    if state.dialect.open_bracket_is_error && (lone() || pattern::has_open_bracket(&text, rules)) {
        let message = "a [ in this pattern is never closed";
        return Err(Stop::shell(message, span, status));
    }
    if state.dialect.open_group_is_error && pattern::has_open_group(&text, rules) {
        let message = "a ( in this pattern is never closed";
        return Err(Stop::shell(message, span, status));
    }
    Ok(text)
}

/// Where a tilde is expanded in a word.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Tilde {
    /// Nowhere.
    Never,
    /// At its start.
    AtStart,
    /// At its start, up to a colon as well as up to a slash.
    ToColon,
    /// At its start, in the pattern of an operation on a parameter: there `=name` is no path.
    InOperation,
    /// At its start and after each unquoted colon: the value of an assignment.
    AfterColons,
    /// At its start, and, if it looks like an assignment, in its value as in one.
    AfterAssignment,
    /// At its start and after its first unquoted equals sign.
    AfterEquals,
}

/// The one piece of a word that is not broken into fields.
fn joined(pieces: Vec<Piece>) -> Text {
    let mut texts = pieces.into_iter().map(|piece| piece.text);
    let mut first = texts.next().unwrap_or_default();
    texts.for_each(|text| first.push_text(&text));
    first
}

/// Notes an expansion for the reader of the trace.
fn record(cx: &mut dyn Context, expansion: impl FnOnce() -> Expansion) {
    if let Some(record) = cx.record() {
        record.expansions.push(expansion());
    }
}
