//! Traps of a text that is meant for more than one shell.

use crate::dialect::{Shell, shells_with};
use crate::notes::{Look, Note};
use crate::source::Sources;
use crate::trace::{CommandKind, CommandTrace, Ending, Trace, WordTrace};

/// A name that only other shells carry out themselves, and that no program has.
pub(super) fn foreign_name(look: &mut Look<'_>) {
    if !look.command.absent {
        return;
    }
    let Some(name) = look.command.argv.first() else { return };
    let shown = String::from_utf8_lossy(name.bytes()).into_owned();
    let shells = shells_with(name.bytes());
    if shells.is_empty() {
        return;
    }
    let known = listed(&shells);
    let message = format!(
        "This shell has no `{shown}`, and neither is there a program of that name: nothing receives \
         these arguments, and the status is 127. It is known to {known}."
    );
    let instead = "Write it in the words of this shell, or run the text with one that knows it.";
    look.say(look.command.span, message, instead.into());
}

/// A program that could be found before PATH was changed.
pub(super) fn lost_program(look: &mut Look<'_>) {
    let Some(name) = look.command.argv.first().filter(|_| look.command.absent) else { return };
    if !shells_with(name.bytes()).is_empty() {
        return;
    }
    let shown = String::from_utf8_lossy(name.bytes()).into_owned();
    let message = format!(
        "`{shown}` was found in PATH at the start, and is in none of the folders that PATH names here: \
         nothing receives these arguments, and the status is 127."
    );
    let instead = "Keep the folders that were there (PATH=/more:$PATH), or write the whole path.";
    look.say(look.command.span, message, instead.into());
}

/// Whether a trace is worth being repeated in other shells to look for [`counts`]: it is short, and a
/// word of a program made, or could have made, another number of arguments than one.
pub fn counts_may_differ(trace: &Trace) -> bool {
    const MAX_COMMANDS: usize = 200;
    let varies = |command: &CommandTrace| {
        command.words.iter().any(|word| word_may_differ(&trace.sources, command, word))
    };
    trace.commands.len() <= MAX_COMMANDS && programs(trace).any(|(_, command)| varies(command))
}

fn word_may_differ(sources: &Sources, command: &CommandTrace, word: &WordTrace) -> bool {
    let written = sources.bytes(word.span);
    let braces = written.first() == Some(&b'{') || written.windows(2).any(is_brace);
    let unquoted = word.expansions.iter().any(|expansion| !expansion.quoted);
    let only_pathnames = word.expansions.is_empty() && !word.matched.is_empty();
    let made = command.argv.get(word.first..word.first + word.count).unwrap_or_default();
    let splits = |byte: &u8| byte.is_ascii_whitespace() || b"*?[:".contains(byte);
    braces
        || (word.count != 1 && !only_pathnames)
        || (unquoted && made.iter().any(|text| text.bytes().iter().any(splits)))
}

/// A brace that opens no parameter expansion.
fn is_brace(two: &[u8]) -> bool {
    two[1] == b'{' && two[0] != b'$'
}

/// Notes on the programs that receive another number of arguments in another shell. `others` are
/// traces of the same text; the first program that differs is told, since those behind it may differ
/// because of it.
///
/// ```
/// use std::rc::Rc;
/// use fizzet_core::{dialect::{Dialect, Shell}, host::Nowhere, notes, source::SourceKind, state::State, walk};
/// let traced = |shell| {
///     let state = State::new(Dialect::of(shell), SourceKind::Line, b"x='lime honey'; label $x");
///     walk::line(state, Rc::new(Nowhere))
/// };
/// let found = notes::counts(&traced(Shell::Bash), &[traced(Shell::Dash), traced(Shell::Zsh)]);
/// assert!(found.unwrap().message.contains("1 in zsh"));
/// ```
pub fn counts(trace: &Trace, others: &[Trace]) -> Option<Note> {
    let others: Vec<(Shell, Vec<&CommandTrace>)> = others
        .iter()
        .filter(|other| !matches!(other.ending, Ending::Syntax(_) | Ending::Stopped { .. }))
        .map(|other| (other.shell, programs(other).map(|(_, program)| program).collect()))
        .collect();
    for (at, (command, program)) in programs(trace).enumerate() {
        let same = |other: &&CommandTrace| other.argv.first() == program.argv.first();
        let count = |program: &CommandTrace| program.argv.len() - 1;
        let here = count(program);
        let mut differing: Vec<(usize, Vec<Shell>)> = Vec::new();
        for (shell, programs) in &others {
            let Some(there) = programs.get(at).copied().filter(same).map(count) else { continue };
            if there == here {
                continue;
            }
            match differing.iter_mut().find(|(known, _)| *known == there) {
                Some((_, shells)) => shells.push(*shell),
                None => differing.push((there, vec![*shell])),
            }
        }
        if differing.is_empty() {
            continue;
        }
        let name = String::from_utf8_lossy(program.argv[0].bytes());
        let elsewhere: Vec<String> = differing
            .iter()
            .map(|(count, shells)| format!("{count} in {}", listed(shells)))
            .collect();
        let message =
            format!("`{name}` receives {} here, but {}.", arguments(here), elsewhere.join(" and "));
        let instead = "--shell all shows every vector and the rule that makes the difference.";
        let span = program.span;
        return Some(Note { name: "other-count", span, message, instead: instead.into(), command });
    }
    None
}

/// The commands that programs receive, with their place among all commands.
fn programs(trace: &Trace) -> impl Iterator<Item = (usize, &CommandTrace)> {
    let commands = trace.commands.iter().enumerate();
    commands.filter(|(_, one)| one.kind == CommandKind::External && !one.argv.is_empty())
}

fn arguments(count: usize) -> String {
    match count {
        1 => "1 argument".into(),
        count => format!("{count} arguments"),
    }
}

/// Shells in a sentence: `dash, mksh and zsh`.
fn listed(shells: &[Shell]) -> String {
    let names: Vec<&str> = shells.iter().map(|shell| shell.name()).collect();
    match names.split_last() {
        Some((last, [])) => (*last).into(),
        Some((last, rest)) => format!("{} and {last}", rest.join(", ")),
        None => "no shell".into(),
    }
}
