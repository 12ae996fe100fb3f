//! What a shell finds out about itself when it begins: PWD, OLDPWD and SHLVL.

use bstr::ByteSlice;

use crate::dialect::{FolderName, ShellLevels};
use crate::host::{Host, normal};
use crate::source::SourceKind;
use crate::state::State;
use crate::text::Text;

/// Gives PWD and OLDPWD the values that they have at the start.
///
/// A shell keeps the PWD of its environment if it is a name of the folder that it is in, and finds
/// the folder's own name if not (POSIX XCU 2.5.3). A PWD that a person gave stays what it is.
pub(super) fn find_itself(state: &mut State, host: &dyn Host) {
    if !is_given_by_hand(state, b"PWD") {
        name_folder(state, host);
    }
    state.entered = state.variables.scalar(b"PWD").cloned().unwrap_or_default();
    if state.dialect.begins_in_old_folder {
        state.variables.set(b"OLDPWD", state.entered.clone());
    }
    let old = state.variables.scalar(b"OLDPWD");
    let is_gone = state.dialect.old_folder_must_be_there
        && old.is_some_and(|old| !host.is_folder(old.bytes()))
        && !is_given_by_hand(state, b"OLDPWD");
    if is_gone {
        state.variables.remove(b"OLDPWD");
    }
    state.left = state.entered.clone();
}

/// Counts how deep in shells this one is: SHLVL.
pub(super) fn count_levels(state: &mut State) {
    if state.dialect.shell_levels == ShellLevels::Never || is_given_by_hand(state, b"SHLVL") {
        return;
    }
    let inherited = state.variables.scalar(b"SHLVL");
    let inherited = inherited.map(|text| text.bytes().to_str_lossy().into_owned());
    let level = next_level(state.dialect.shell_levels, &inherited.unwrap_or_default());
    let text = state.shell_text(level.to_string().as_bytes());
    state.variables.set(b"SHLVL", text);
    state.variables.entry(b"SHLVL").exported = true;
}

/// The level of a shell that was started with this SHLVL.
fn next_level(how: ShellLevels, inherited: &str) -> i64 {
    let end = |text: &str| text.bytes().take_while(u8::is_ascii_digit).count();
    let (sign, digits) = match inherited.strip_prefix('-') {
        Some(digits) => (-1, digits),
        None => (1, inherited),
    };
    let start: i64 = digits[..end(digits)].parse().unwrap_or(0);
    let hexadecimal = digits.strip_prefix("0x").and_then(|rest| i64::from_str_radix(rest, 16).ok());
    match how {
        ShellLevels::Never => 0,
        ShellLevels::Bounded => match inherited.parse().map_or(1, |level: i64| level + 1).max(0) {
            level if level >= 1000 => 1,
            level => level,
        },
        ShellLevels::Unsigned => i64::from((sign * start + 1) as u32),
        ShellLevels::Start => sign * hexadecimal.unwrap_or(start) + 1,
        ShellLevels::Whole => match (hexadecimal, end(digits) == digits.len()) {
            (Some(level), _) => sign * level + 1,
            (None, true) => sign * start + 1,
            (None, false) => 1,
        },
    }
}

fn name_folder(state: &mut State, host: &dyn Host) {
    let inherited = state.variables.scalar(b"PWD").cloned();
    let named = inherited.as_ref().filter(|named| is_kept(state, named.bytes()));
    let Some(here) = host.here(named.map_or(b"", Text::bytes)) else { return };
    let name = match (state.dialect.folder_name, named) {
        (FolderName::Tidied, _) if normal(&here) != here => state.shell_text(&normal(&here)),
        (_, Some(named)) if named.bytes() == here => named.clone(),
        _ => state.shell_text(&here),
    };
    state.variables.set(b"PWD", name);
    let exported = inherited.is_some() || state.dialect.exports_folder;
    state.variables.entry(b"PWD").exported |= exported;
}

/// Whether a shell keeps a name of its folder.
fn is_kept(state: &State, named: &[u8]) -> bool {
    let has_dots = named.split(|&byte| byte == b'/').any(|part| matches!(part, b"." | b".."));
    state.dialect.folder_name != FolderName::WithoutDots || !has_dots
}

fn is_given_by_hand(state: &State, name: &[u8]) -> bool {
    let text = state.variables.scalar(name);
    let origin = text.and_then(|text| text.runs().next().map(|(run, _)| run.origin.clone()));
    origin.is_some_and(|origin| {
        let kind = &state.sources.get(origin.span().source).kind;
        matches!(kind, SourceKind::Variable { inherited: false, .. })
    })
}
