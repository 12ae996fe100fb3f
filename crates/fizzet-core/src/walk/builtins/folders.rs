//! `cd`, `pwd`.

use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{FolderStack, HashList, ReadOnlyFolders};
use crate::expand::Context;
use crate::host::{join, normal};
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::folder_stack::{Mover, is_place, roll};
use crate::walk::builtins::options::Given;

/// How the links in a path are taken.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Way {
    /// As folders: `..` leads back to where the link is.
    Logical,
    /// As the folders that they lead to.
    Physical,
}

/// Whether a path begins with two slashes, which POSIX lets a system give a meaning to.
fn has_two_slashes(path: &[u8]) -> bool {
    path.starts_with(b"//") && !path.starts_with(b"///")
}

/// A path below a folder, whose first `..` take away parts of the folder's path.
fn below(folder: &[u8], mut path: &[u8]) -> Vec<u8> {
    let mut folder = folder.to_vec();
    while let Some(rest) = path.strip_prefix(b"..").filter(|rest| matches!(rest, [] | [b'/', ..])) {
        folder = normal(&join(&folder, b".."));
        path = rest.strip_prefix(b"/").unwrap_or(rest);
    }
    if path.is_empty() { folder } else { join(&folder, path) }
}

/// What stands before each `..` of a path.
fn parts_before_dots(path: &[u8]) -> impl Iterator<Item = &[u8]> {
    let ends = (1..path.len()).filter(|&at| {
        path[at - 1] == b'/'
            && path[at..].starts_with(b"..")
            && matches!(path.get(at + 2), None | Some(b'/'))
    });
    ends.map(|at| &path[..at - 1]).filter(|part| !part.is_empty())
}

/// `cd [-LP] [folder]`
pub(super) fn cd(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let rolls = walker.state.dialect.folder_stack == FolderStack::Rolled;
    if rolls
        && let [.., place] = call.argv
        && is_place(place.bytes())
        && walker.state.option_is_on(b"posixcd") != Some(true)
    {
        return roll(walker, call, Mover::Enters);
    }
    let left = walker.state.entered.clone();
    let status = go(walker, call)?;
    if rolls && status == 0 && walker.state.option_is_on(b"autopushd") == Some(true) {
        walker.put_left_aside(left);
    }
    walker.tell_of_folder(status, call)
}

/// A folder with the first piece that is like `from` exchanged for `to`; `None` if there is none.
pub(super) fn replaced(folder: &Text, from: &Text, to: &Text) -> Option<Text> {
    let at = folder.bytes().find(from.bytes())?;
    let mut whole = folder.slice(0, at);
    whole.push_text(to);
    whole.push_text(&folder.slice(at + from.len(), folder.len()));
    Some(whole)
}

fn go(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = call.given(dialect.folder_letters, false);
    if given.unknown.is_some() {
        return Ok(dialect.folder_usage_status);
    }
    if given.operands.len() > 2
        && let Some(status) = dialect.third_folder_status
    {
        return Ok(status);
    }
    if let [from, to, ..] = given.operands
        && let Some(status) = dialect.second_folder_status
    {
        let target = replaced(&walker.state.entered, from, to);
        let Some(target) = target.filter(|_| dialect.second_folder_replaces) else {
            return Ok(status);
        };
        if given.operands.len() > 2 || !walker.enter(&target, walker.way_of_links(&given), call)? {
            return Ok(dialect.folder_failure_status);
        }
        if dialect.folder_path_is_told {
            walker.print_line(walker.state.entered.clone(), call);
        }
        return Ok(0);
    }
    let target = match given.operands.first() {
        None => walker.state.variables.scalar(b"HOME").cloned(),
        Some(text) if text.bytes() == b"-" => {
            return back(walker, walker.way_of_links(&given), call);
        }
        Some(text) => Some(text.clone()),
    };
    let failure = dialect.folder_failure_status;
    match target {
        None if dialect.no_folder_is_here => stay(walker, call),
        Some(target) if target.has_hole() => {
            walker.missing("which folder this leads to; it is taken as this one", call.span);
            stay(walker, call)
        }
        Some(target) if target.is_empty() && dialect.empty_folder_is_here => stay(walker, call),
        Some(target) => {
            let way = walker.way_of_links(&given);
            Ok(if walker.enter_somehow(&target, way, call)? { 0 } else { failure })
        }
        None => Ok(failure),
    }
}

/// Goes into the folder that is the current one already.
fn stay(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    if let Some(here) = walker.state.variables.scalar(b"PWD").cloned() {
        walker.enter(&here, Way::Logical, call)?;
    }
    Ok(0)
}

/// `cd -`
fn back(walker: &mut Walker, way: Way, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let target = match dialect.folder_back_is_remembered {
        true => Some(walker.state.left.clone()),
        false => walker.state.variables.scalar(b"OLDPWD").cloned(),
    };
    let Some(target) = target.or_else(|| dialect.no_folder_is_here.then(Text::new)) else {
        return Ok(dialect.folder_failure_status);
    };
    let stays = target.is_empty() && (dialect.empty_folder_is_here || dialect.no_folder_is_here);
    if stays {
        stay(walker, call)?;
    } else if !walker.enter(&target, way, call)? {
        return Ok(dialect.folder_failure_status);
    }
    let told = match dialect.folder_back_is_told_as_named {
        true => Some(target),
        false => walker.state.variables.scalar(b"PWD").cloned(),
    };
    if let Some(told) = told.filter(|_| dialect.folder_path_is_told) {
        walker.print_line(told, call);
    }
    Ok(0)
}

impl Walker {
    /// Goes into a folder that CDPATH or the path itself leads to; false if there is none.
    pub(super) fn enter_somehow(
        &mut self,
        target: &Text,
        way: Way,
        call: &Call<'_>,
    ) -> Result<bool, Stop> {
        match self.enter_by_path(target, way, call)? {
            Some(entered) => Ok(entered),
            None => self.enter(target, way, call),
        }
    }

    /// Goes into a folder that CDPATH leads to, and tells which one that is; false if it leads to none,
    /// nothing where the current folder is still to be looked in (POSIX XCU cd).
    fn enter_by_path(
        &mut self,
        target: &Text,
        way: Way,
        call: &Call<'_>,
    ) -> Result<Option<bool>, Stop> {
        let Some(path) = self.state.variables.scalar(b"CDPATH").cloned() else { return Ok(None) };
        let bytes = target.bytes();
        let direct = [&b"/"[..], b"./", b"../"].iter().any(|start| bytes.starts_with(start));
        if direct || matches!(bytes, b"." | b"..") || path.is_empty() {
            return Ok(None);
        }
        let mut entries = path.bytes().split(|&byte| byte == b':').peekable();
        if self.state.dialect.folder_path_begins_with_folder
            && entries
                .peek()
                .is_some_and(|first| !first.is_empty() && !self.host().is_folder(first))
        {
            let here = self.state.shell_text(b".");
            let entered = self.enter(&here, way, call)?;
            if let Some(mut folder) = self.state.variables.scalar(b"PWD").cloned() {
                folder.push_text(&self.state.shell_text(b"/"));
                self.print_line(folder, call);
            }
            return Ok(Some(entered));
        }
        for entry in entries {
            let whole = match entry {
                b"" => bytes.to_vec(),
                entry if self.state.dialect.folder_path_joins_with_slash => {
                    [entry, b"/", bytes].concat()
                }
                entry => join(entry, bytes),
            };
            if !self.host().is_folder(&whole) {
                continue;
            }
            let whole = self.state.shell_text(&whole);
            let entered = self.enter(&whole, way, call)?;
            let rows = &self.state.dialect;
            let is_here = entry.is_empty() || (entry == b"." && !rows.folder_path_tells_here);
            let tells = !is_here && rows.folder_path_is_told;
            if tells && let Some(folder) = self.state.variables.scalar(b"PWD").cloned() {
                self.print_line(folder, call);
            }
            return Ok(Some(entered));
        }
        Ok(self.state.dialect.folder_path_is_all.then_some(false))
    }

    /// How `cd` or `pwd` with these options takes links: the last one of -L and -P counts, or -P alone, and
    /// then an option of the shell.
    pub(super) fn way_of_links(&self, given: &Given<'_>) -> Way {
        let last = match self.state.dialect.physical_wins {
            true => given.last_of(b"P").or_else(|| given.last_of(b"L")),
            false => given.last_of(b"LP"),
        };
        let physical = match last {
            Some(letter) => letter == b'P',
            None => self.state.option_is_on(b"physical") == Some(true),
        };
        if physical { Way::Physical } else { Way::Logical }
    }

    /// The folder and the PWD that `target` leads to; `None` if there is no such folder.
    fn led_to(&self, target: &[u8], way: Way) -> Option<(Vec<u8>, Vec<u8>)> {
        if target.is_empty() {
            return None;
        }
        // Pretended files have no links.
        if way == Way::Physical && self.host().physical(b".").is_some() {
            return self.led_to_by_links(target);
        }
        self.led_to_by_name(target).or_else(|| match self.state.dialect.folder_falls_back {
            true => self.led_to_by_links(target),
            false => None,
        })
    }

    fn led_to_by_links(&self, target: &[u8]) -> Option<(Vec<u8>, Vec<u8>)> {
        let host = self.host();
        let by_name = self.state.dialect.first_dots_go_by_name && target.starts_with(b"..");
        let whole =
            if by_name { below(self.state.entered.bytes(), target) } else { target.to_vec() };
        let target = &*whole;
        let real = host.physical(target).filter(|_| host.is_folder(target))?;
        let keeps = self.state.dialect.physical_keeps_two_slashes && has_two_slashes(target);
        Some((real.clone(), if keeps { [b"/", &real[..]].concat() } else { real }))
    }

    fn led_to_by_name(&self, target: &[u8]) -> Option<(Vec<u8>, Vec<u8>)> {
        let (dialect, host) = (&self.state.dialect, self.host());
        let mut parts = parts_before_dots(target);
        if dialect.dot_dot_needs_folder && !parts.all(|part| host.is_folder(part)) {
            return None;
        }
        let whole = join(self.state.entered.bytes(), target);
        let folder = normal(&join(&self.state.folder, target));
        let there = self.host.is_folder(if folder.is_empty() { b"." } else { &folder });
        let keeps = dialect.keeps_two_slashes && has_two_slashes(&whole);
        let shown = normal(&whole);
        there.then(|| (folder, if keeps { [b"/", &shown[..]].concat() } else { shown }))
    }

    /// Goes into a folder; false if there is none.
    fn enter(&mut self, target: &Text, way: Way, call: &Call<'_>) -> Result<bool, Stop> {
        let Some((folder, to)) = self.led_to(target.bytes(), way) else { return Ok(false) };
        let before = self.state.variables.scalar(b"PWD").cloned();
        self.state.folder = folder.into();
        if self.state.dialect.hash_list == HashList::Paths && !self.state.hashed.is_empty() {
            let hashed = Rc::make_mut(&mut self.state.hashed);
            hashed.values_mut().for_each(|program| program.is_stale = true);
        }
        let mut noted = true;
        if let Some(before) = before {
            noted &= self.note_folder(b"OLDPWD", before, call)?;
        }
        let entered = self.state.shell_text(&to);
        noted &= self.note_folder(b"PWD", entered.clone(), call)?;
        self.state.left = std::mem::replace(&mut self.state.entered, entered);
        Ok(noted)
    }

    /// Assigns PWD or OLDPWD; false if it is read-only and that is a mistake.
    fn note_folder(&mut self, name: &[u8], folder: Text, call: &Call<'_>) -> Result<bool, Stop> {
        let read_only = self.state.variables.get(name).is_some_and(|variable| variable.read_only);
        match self.state.dialect.read_only_folders {
            ReadOnlyFolders::Minded if read_only => return Ok(false),
            ReadOnlyFolders::Left if read_only => {}
            ReadOnlyFolders::Overwritten if read_only => self.state.variables.set(name, folder),
            _ => self.assign_text(name, folder, call.span)?,
        }
        Ok(true)
    }

    /// Calls the functions that want to know of another folder: `chpwd`, and those that `chpwd_functions`
    /// names (zsh 5.9, zshmisc, "Hook Functions"). The status stays what it was.
    pub(super) fn tell_of_folder(
        &mut self,
        status: Status,
        call: &Call<'_>,
    ) -> Result<Status, Stop> {
        let dialect = &self.state.dialect;
        if status != 0
            || !dialect.folder_hook
            || call.given(dialect.folder_letters, false).has(b'q')
        {
            return Ok(status);
        }
        let listed = self.state.variables.values(b"chpwd_functions");
        let hook = self.state.shell_text(b"chpwd");
        let names: Vec<Text> = std::iter::once(hook).chain(listed).collect();
        for name in names {
            if let Some(function) = self.state.functions.get(name.bytes()).cloned() {
                self.state.status = 0;
                self.call(&function, &[name], call.span)?;
            }
        }
        Ok(status)
    }

    pub(super) fn print_line(&mut self, mut text: Text, call: &Call<'_>) {
        text.push(b"\n", Standing::Quoted, &Origin::new(Rule::Output, call.span));
        self.write(text);
    }
}

/// `pwd`
pub(super) fn pwd(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("LP", false);
    if given.unknown.is_some() {
        return Ok(walker.state.dialect.option_usage_status);
    }
    if !given.operands.is_empty() && walker.state.dialect.pwd_refuses_operands {
        return Ok(1);
    }
    if walker.way_of_links(&given) == Way::Physical
        && let Some(real) = walker.host().physical(b".")
    {
        let real = walker.state.shell_text(&real);
        walker.print_line(real, call);
        return Ok(0);
    }
    match walker.state.entered.clone() {
        folder if folder.is_empty() => walker.missing("the current folder", call.span),
        folder => walker.print_line(folder, call),
    }
    Ok(0)
}
