//! `pushd`, `popd`, `dirs` (bash 5.2, "The Directory Stack"; zsh 5.9, zshbuiltins).
//!
//! The stack begins with the current folder; [`crate::state::State::put_aside`] holds what is below it.

use crate::dialect::FolderStack;
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;
use crate::walk::builtins::folders::{cd, replaced};

/// How many folders a stack keeps, where DIRSTACKSIZE limits it, at least.
const LEAST_KEPT: usize = 2;

/// `pushd [-n] [folder | +N | -N]`
pub(super) fn pushd(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    match walker.state.dialect.folder_stack {
        FolderStack::Rotated => rotate(walker, call),
        FolderStack::Rolled => roll(walker, call, Mover::Pushes),
    }
}

/// `popd [-n] [+N | -N]`
pub(super) fn popd(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    match walker.state.dialect.folder_stack {
        FolderStack::Rotated => take_off(walker, call),
        FolderStack::Rolled => roll(walker, call, Mover::Pops),
    }
}

/// `dirs [-clpv] [+N | -N]`
pub(super) fn dirs(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    match walker.state.dialect.folder_stack {
        FolderStack::Rotated => tell_or_clear(walker, call),
        FolderStack::Rolled => tell_or_replace(walker, call),
    }
}

/// A word that means a place of a stack, counted from its start or from its end.
struct Numbered {
    from_end: bool,
    number: i64,
}

/// A word with a sign; `Err` if no number stands behind that.
fn numbered(word: &[u8]) -> Option<Result<Numbered, ()>> {
    let (sign, digits) = word.split_first().filter(|(sign, _)| b"+-".contains(sign))?;
    let number = number(digits).map(|number| Numbered { from_end: *sign == b'-', number });
    Some(number.ok_or(()))
}

impl Numbered {
    /// The place in a stack of a length, counted from 0.
    fn place(&self, length: usize) -> Option<usize> {
        let number = usize::try_from(self.number).ok().filter(|number| *number < length)?;
        Some(if self.from_end { length - 1 - number } else { number })
    }
}

/// `pushd` of bash.
fn rotate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut words = call.arguments();
    let dashed = words.first().is_some_and(|word| word.bytes() == b"--");
    let entered = walker.state.entered.clone();
    if words.len() == usize::from(dashed) {
        let Some(first) = walker.folders_aside().first_mut() else { return Ok(1) };
        let target = std::mem::replace(first, entered);
        return walker.change_and_tell(&target, call);
    }
    let (mut stays, mut place) = (false, None);
    while let [word, rest @ ..] = words
        && !dashed
    {
        match (word.bytes(), numbered(word.bytes())) {
            (b"-n", _) => stays = true,
            (b"--", _) => {
                words = rest;
                break;
            }
            (b"-", _) | (_, None) => break,
            (_, Some(Err(()))) => return Ok(walker.complain(call, 2)),
            (_, Some(Ok(numbered))) => {
                let Some(at) = numbered.place(walker.folders_aside().len() + 1) else {
                    return Ok(1);
                };
                place = Some(at);
            }
        }
        words = rest;
    }
    if let Some(place) = place {
        let mut stack = walker.folders();
        stack.rotate_left(place);
        let target = stack.remove(0);
        *walker.folders_aside() = stack;
        return if stays { Ok(0) } else { walker.change_and_tell(&target, call) };
    }
    let Some(first) = words.first() else { return Ok(0) };
    if stays {
        walker.folders_aside().insert(0, first.clone());
    } else {
        if walker.change(words, call)? != 0 {
            return Ok(1);
        }
        walker.folders_aside().insert(0, entered);
    }
    walker.tell_folders(call);
    Ok(0)
}

/// `popd` of bash.
fn take_off(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let (mut stays, mut wanted) = (false, Numbered { from_end: false, number: 0 });
    for word in call.arguments() {
        match (word.bytes(), numbered(word.bytes())) {
            (b"-n", _) => stays = true,
            (b"--" | b"", _) => break,
            (_, Some(Ok(numbered))) => wanted = numbered,
            _ => return Ok(walker.complain(call, 2)),
        }
    }
    let length = walker.folders_aside().len() + 1;
    match wanted.place(length) {
        None => return Ok(1),
        Some(_) if length == 1 && wanted.number == 0 => return Ok(1),
        Some(0) if stays => {
            walker.folders_aside().remove(0);
        }
        Some(0) => {
            let target = walker.folders_aside()[0].clone();
            let status = walker.change_to(&target, call)?;
            if status != 0 {
                return Ok(status);
            }
            walker.folders_aside().remove(0);
        }
        Some(place) => {
            walker.folders_aside().remove(place - 1);
        }
    }
    walker.tell_folders(call);
    Ok(0)
}

/// How a list of folders is written.
#[derive(Clone, Copy, Default)]
struct Form {
    /// Whether the home folder is written in full.
    long: bool,
    /// Whether each stands on a line of its own.
    lines: bool,
    /// Whether a number stands before each.
    numbers: bool,
}

/// `dirs` of bash.
fn tell_or_clear(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let (mut form, mut clears, mut wanted) = (Form::default(), false, None);
    for word in call.arguments() {
        match (word.bytes(), numbered(word.bytes())) {
            (b"-l", _) => form.long = true,
            (b"-c", _) => clears = true,
            (b"-v", _) => form.numbers = true,
            (b"-p", _) => form.lines = true,
            (b"--", _) => break,
            (_, Some(Ok(numbered))) => wanted = Some(numbered),
            _ => return Ok(walker.complain(call, 2)),
        }
    }
    if clears {
        walker.folders_aside().clear();
        return Ok(0);
    }
    let Some(wanted) = wanted else {
        walker.write_folders(form, call);
        return Ok(0);
    };
    let stack = walker.folders();
    let Some(place) = wanted.place(stack.len()) else { return Ok(1) };
    let mut line = walker.numbered_folder(place, form, call);
    line.push_text(&walker.told_folder(&stack[place], form));
    walker.print_line(line, call);
    Ok(0)
}

/// `dirs` of zsh.
fn tell_or_replace(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("clpv", false);
    if given.unknown.is_some() {
        return Ok(1);
    }
    let form = Form { long: given.has(b'l'), lines: given.has(b'p'), numbers: given.has(b'v') };
    let replaces = given.has(b'c') || !given.operands.is_empty();
    if form.lines || form.numbers || !replaces {
        walker.write_folders(form, call);
    } else {
        *walker.folders_aside() = given.operands.to_vec();
    }
    Ok(0)
}

/// What moves through the stack of zsh.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum Mover {
    /// `cd +N` and `cd -N`
    Enters,
    /// `pushd`
    Pushes,
    /// `popd`
    Pops,
}

/// Whether `cd` of zsh takes a word for a place of the stack.
pub(super) fn is_place(word: &[u8]) -> bool {
    matches!(word, [b'+' | b'-', digits @ ..] if !digits.is_empty() && digits.iter().all(u8::is_ascii_digit))
}

/// `pushd`, `popd` and `cd +N` of zsh: a folder is put on the stack or found in it, gone to, and moved to the
/// front.
pub(super) fn roll(walker: &mut Walker, call: &Call<'_>, mover: Mover) -> Result<Status, Stop> {
    let given = call.given(if mover == Mover::Pops { "q" } else { "qsPL" }, false);
    // What is no option is an operand.
    let words = if given.unknown.is_some() { call.arguments() } else { given.operands };
    let mut stack = walker.folders();
    let Some(found) = walker.put_or_found(&mut stack, words, mover) else { return Ok(1) };
    let (aim, mut gone_to) = match (mover, found) {
        (Mover::Pops, None | Some(0)) => (Some(0), 1),
        (Mover::Pops, Some(_)) => (found, 0),
        _ => (found, found.unwrap_or(0)),
    };
    if gone_to >= stack.len() {
        gone_to = 0;
    }
    let way = walker.way_of_links(&given);
    if !walker.enter_somehow(&stack[gone_to], way, call)? {
        if aim.is_none() {
            stack.remove(0);
        }
        if mover == Mover::Pops {
            stack.remove(gone_to);
        }
        *walker.folders_aside() = stack.split_off(1.min(stack.len()));
        return Ok(1);
    }
    stack[gone_to] = walker.state.entered.clone();
    // The folder that is gone to leaves the stack, and of the two others with it one more.
    let aim = aim.unwrap_or(gone_to);
    if mover == Mover::Pushes {
        stack.rotate_left(aim);
        stack.remove(0);
    } else {
        stack.remove(aim);
        if mover == Mover::Pops || !walker.is_switched(b"autopushd") {
            stack.drain(..1.min(stack.len()));
        }
    }
    walker.keep_aside(stack);
    walker.tell_of_folder(0, call)
}

impl Walker {
    fn is_switched(&self, option: &[u8]) -> bool {
        self.state.option_is_on(option) == Some(true)
    }

    /// Puts on the stack what the words of a mover name, or finds its place there; `None` where there is
    /// nothing of the kind.
    fn put_or_found(
        &self,
        stack: &mut Vec<Text>,
        words: &[Text],
        mover: Mover,
    ) -> Option<Option<usize>> {
        let folder = match words {
            [] if mover == Mover::Pops => return (stack.len() > 1).then_some(None),
            [] if mover == Mover::Pushes
                && stack.len() > 1
                && !self.is_switched(b"pushdtohome") =>
            {
                stack.swap(0, 1);
                return Some(Some(0));
            }
            [] => self.state.variables.scalar(b"HOME").cloned()?,
            [word] if is_place(word.bytes()) => {
                let mut numbered = numbered(word.bytes())?.ok()?;
                numbered.from_end ^= self.is_switched(b"pushdminus");
                return numbered.place(stack.len()).map(Some);
            }
            [word] if word.is_empty() => stack[0].clone(),
            [word] if word.bytes() == b"-" => self.state.left.clone(),
            [word] => word.clone(),
            [from, to] if mover == Mover::Pushes => replaced(&stack[0], from, to)?,
            _ => return None,
        };
        stack.insert(0, folder);
        Some(None)
    }

    /// What lies below the current folder, with what an assignment has made of it.
    fn folders_aside(&mut self) -> &mut Vec<Text> {
        self.state.take_assigned_folders();
        &mut self.state.put_aside
    }

    /// The whole stack.
    fn folders(&mut self) -> Vec<Text> {
        let entered = self.state.entered.clone();
        std::iter::once(entered).chain(self.folders_aside().iter().cloned()).collect()
    }

    /// Makes a list what lies below the current folder, without that if it is to be there once only, and no
    /// longer than DIRSTACKSIZE allows (zsh).
    fn keep_aside(&mut self, mut stack: Vec<Text>) {
        let entered = self.state.entered.bytes();
        if self.is_switched(b"pushdignoredups")
            && let Some(at) = stack.iter().position(|one| one.bytes() == entered)
        {
            stack.remove(at);
        }
        let size =
            self.state.variables.scalar(b"DIRSTACKSIZE").and_then(|text| number(text.bytes()));
        if let Some(size) =
            size.and_then(|size| usize::try_from(size).ok()).filter(|size| *size > 0)
        {
            stack.truncate(size.max(LEAST_KEPT) - 1);
        }
        *self.folders_aside() = stack;
    }

    /// `cd` with `autopushd` has left a folder (zsh).
    pub(super) fn put_left_aside(&mut self, left: Text) {
        let mut stack = self.folders_aside().clone();
        stack.insert(0, left);
        self.keep_aside(stack);
    }

    /// Carries out `cd` with words.
    fn change(&mut self, words: &[Text], call: &Call<'_>) -> Result<Status, Stop> {
        let name = call.argv.first().cloned().unwrap_or_default();
        let argv: Vec<Text> = std::iter::once(name).chain(words.iter().cloned()).collect();
        cd(self, &Call { argv: &argv, ..*call })
    }

    fn change_to(&mut self, target: &Text, call: &Call<'_>) -> Result<Status, Stop> {
        let end = self.state.shell_text(b"--");
        self.change(&[end, target.clone()], call)
    }

    fn change_and_tell(&mut self, target: &Text, call: &Call<'_>) -> Result<Status, Stop> {
        let status = self.change_to(target, call)?;
        if status == 0 {
            self.tell_folders(call);
        }
        Ok(status)
    }

    fn tell_folders(&mut self, call: &Call<'_>) {
        self.write_folders(Form::default(), call);
    }

    fn write_folders(&mut self, form: Form, call: &Call<'_>) {
        let origin = Origin::new(Rule::Output, call.span);
        let between: &[u8] = if form.lines || form.numbers { b"\n" } else { b" " };
        let mut line = Text::new();
        for (place, folder) in self.folders().iter().enumerate() {
            if place > 0 {
                line.push(between, Standing::Quoted, &origin);
            }
            line.push_text(&self.numbered_folder(place, form, call));
            line.push_text(&self.told_folder(folder, form));
        }
        self.print_line(line, call);
    }

    /// What stands before a folder of the stack.
    fn numbered_folder(&self, place: usize, form: Form, call: &Call<'_>) -> Text {
        let mut text = Text::new();
        if form.numbers {
            let number = match self.state.dialect.folder_stack {
                FolderStack::Rotated => format!("{place:2}  "),
                FolderStack::Rolled => format!("{place}\t"),
            };
            text.push(number.as_bytes(), Standing::Quoted, &Origin::new(Rule::Output, call.span));
        }
        text
    }

    /// A folder as it is written: with a tilde for the home folder.
    fn told_folder(&self, folder: &Text, form: Form) -> Text {
        if form.long {
            return folder.clone();
        }
        match self.state.name_of_folder(folder.bytes()) {
            Some((name, above)) => {
                let mut told = self.state.shell_text(&[b"~", &name[..]].concat());
                told.push_text(&folder.slice(above, folder.len()));
                told
            }
            None => folder.clone(),
        }
    }
}
