//! The folder in which a shell finds itself when it begins: PWD and OLDPWD.

use crate::dialect::FolderName;
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
