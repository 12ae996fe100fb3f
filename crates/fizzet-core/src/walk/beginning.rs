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
    if let Some(here) = host.here().filter(|_| !is_given_by_hand(state, b"PWD")) {
        name_folder(state, host, &here);
    }
    state.entered = state.variables.scalar(b"PWD").cloned().unwrap_or_default();
    if state.dialect.begins_in_old_folder {
        state.variables.set(b"OLDPWD", state.entered.clone());
    }
    let old = state.variables.scalar(b"OLDPWD").map(|old| host.is_folder(old.bytes()));
    if old == Some(false)
        && state.dialect.old_folder_must_be_there
        && !is_given_by_hand(state, b"OLDPWD")
    {
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

fn name_folder(state: &mut State, host: &dyn Host, here: &[u8]) {
    let inherited = state.variables.scalar(b"PWD").cloned();
    let kept = inherited.as_ref().and_then(|named| kept_name(state, host, here, named));
    let name = kept.unwrap_or_else(|| state.shell_text(here));
    state.variables.set(b"PWD", name);
    let exported = inherited.is_some() || state.dialect.exports_folder;
    state.variables.entry(b"PWD").exported |= exported;
}

/// The name that the environment has for the folder, as the shell keeps it.
fn kept_name(state: &mut State, host: &dyn Host, here: &[u8], named: &Text) -> Option<Text> {
    let bytes = named.bytes();
    let has_dots = bytes.split(|&byte| byte == b'/').any(|part| matches!(part, b"." | b".."));
    let identity = |path: &[u8]| host.status(path, true).map(|status| status.identity);
    let is_here = bytes.starts_with(b"/") && identity(bytes)? == identity(here)?;
    match state.dialect.folder_name {
        _ if !is_here => None,
        FolderName::WithoutDots if has_dots => None,
        FolderName::Tidied if normal(bytes) != bytes => Some(state.shell_text(&normal(bytes))),
        _ => Some(named.clone()),
    }
}

fn is_given_by_hand(state: &State, name: &[u8]) -> bool {
    let text = state.variables.scalar(name);
    let origin = text.and_then(|text| text.runs().next().map(|(run, _)| run.origin.clone()));
    origin.is_some_and(|origin| {
        let kind = &state.sources.get(origin.span().source).kind;
        matches!(kind, SourceKind::Variable { inherited: false, .. })
    })
}
