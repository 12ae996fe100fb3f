//! `set`, `shift`, `shopt`.

use std::rc::Rc;

use crate::dialect::{Braces, Dialect};
use crate::lineage::{Hop, Rule};
use crate::stop::{Reach, Status, Stop};
use crate::text::{Passage, Standing, Text};
use crate::walk::builtins::Call;
use crate::walk::{Cause, Walker};

/// `set [options] [--] [arguments]`
pub(super) fn set(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut rest = call.arguments();
    if walker.state.dialect.set_checks_letters_first && walker.refuses_some_letter(rest) {
        return Ok(2);
    }
    let (mut replaces, mut sorts) = (false, false);
    while let Some(word) = rest.first().map(Text::bytes) {
        match word {
            [b'-', b'-', more @ ..]
                if more.is_empty() || walker.state.dialect.set_dashes_may_go_on =>
            {
                replaces = true;
                rest = &rest[1..];
                break;
            }
            [sign @ (b'-' | b'+'), b'-', name @ ..]
                if !name.is_empty() && walker.state.dialect.set_long_options =>
            {
                rest = &rest[1..];
                if !walker.long_option(name, *sign == b'-') {
                    return Err(walker.fatal_option(call));
                }
            }
            b"-" => {
                rest = &rest[1..];
                replaces = !rest.is_empty() || walker.state.dialect.set_dash_clears;
                break;
            }
            [sign @ (b'-' | b'+'), letters @ ..] if !letters.is_empty() => {
                let on = *sign == b'-';
                rest = &rest[1..];
                let mut letters = letters.iter();
                while let Some(&letter) = letters.next() {
                    let known = match letter {
                        b'o' if walker.state.dialect.set_names_are_attached
                            && !letters.as_slice().is_empty() =>
                        {
                            walker.long_option(std::mem::take(&mut letters).as_slice(), on)
                        }
                        b'o' => match rest.split_first() {
                            Some((name, behind)) => {
                                rest = behind;
                                walker.long_option(name.bytes(), on)
                            }
                            None => true,
                        },
                        b'A' if walker.state.dialect.set_fills_arrays => {
                            let sorted = sorts.then(|| sorted(rest, 1));
                            return walker.fill_array(call, sorted.as_deref().unwrap_or(rest), on);
                        }
                        b's' if walker.state.dialect.set_sorts && on => {
                            sorts = true;
                            true
                        }
                        letter => walker.option(letter, on),
                    };
                    if !known {
                        let dialect = &walker.state.dialect;
                        let fatal = match letter {
                            b'o' => dialect.unknown_long_option_is_fatal,
                            _ => dialect.unknown_option_is_fatal,
                        };
                        return match fatal {
                            true => Err(walker.fatal_option(call)),
                            false if letter == b'o' => Ok(dialect.unknown_long_option_status),
                            false => Ok(1),
                        };
                    }
                }
            }
            _ => break,
        }
    }
    if replaces || !rest.is_empty() {
        let hop = Hop { rule: Rule::Stored, span: call.span, name: None, shifted: 0 };
        let all = sorts.then(|| sorted(rest, 0));
        let parameters = Passage::all(&hop, Standing::Quoted, all.as_deref().unwrap_or(rest));
        let before = walker.state.positional.share();
        walker.state.positional.set(parameters);
        walker.options_begin_again();
        walker.tell_change(Cause::Set, &before, call.span)?;
    }
    Ok(0)
}

/// Words in the order of their bytes, behind the first few, which stay.
fn sorted(words: &[Text], kept: usize) -> Vec<Text> {
    let mut words = words.to_vec();
    if let Some(behind) = words.get_mut(kept..) {
        behind.sort_by(|one, next| one.bytes().cmp(next.bytes()));
    }
    words
}

impl Walker {
    /// Whether `set` knows a letter not, where it looks at all of them first: what is behind an `o` in its
    /// word is taken for a name then, and so is the next word, unless it begins with a dash.
    fn refuses_some_letter(&mut self, words: &[Text]) -> bool {
        let kept = self.state.options.clone();
        let mut words = words.iter().map(Text::bytes).peekable();
        let mut refuses = false;
        while let Some([b'-' | b'+', letters @ ..]) = words.next() {
            if matches!(letters, [] | [b'-']) {
                break;
            }
            let end = letters.iter().position(|&letter| letter == b'o');
            refuses |= letters[..end.unwrap_or(letters.len())]
                .iter()
                .any(|&letter| !self.option(letter, true));
            if end == Some(letters.len() - 1) {
                words.next_if(|word| !word.starts_with(b"-"));
            }
        }
        self.state.options = kept;
        refuses
    }

    /// `set -x` and its kin; false where the shell knows no such option.
    fn option(&mut self, letter: u8, on: bool) -> bool {
        let options = &mut self.state.options;
        match letter {
            letter if letter == self.state.dialect.glob_letter => options.no_glob = on,
            b'y' if self.state.dialect.letter_splits_words => options.word_split = on,
            b'f' => options.start_files = !on,
            b'u' => options.no_unset = on,
            b'e' => options.exit_on_error = on,
            b'a' => options.all_export = on,
            b'C' => options.no_clobber = on,
            b'n' => options.no_exec = on,
            b'E' if self.state.dialect.errtrace_option => options.traces_errors = on,
            b'T' if self.state.dialect.functrace_option => options.traces_functions = on,
            b'B' if self.state.dialect.set_braces => options.no_braces = !on,
            letter => return self.state.dialect.set_letters.as_bytes().contains(&letter),
        }
        true
    }

    /// `set -o name`; false where the shell knows no such option.
    pub(in crate::walk) fn long_option(&mut self, name: &[u8], on: bool) -> bool {
        if self.state.dialect.bare_groups {
            return self.state.options.set_by_name(name, on);
        }
        let letter = match name {
            b"noglob" => b'f',
            b"nounset" => b'u',
            b"errexit" => b'e',
            b"allexport" => b'a',
            b"noexec" => b'n',
            b"noclobber" => b'C',
            b"errtrace" if self.state.dialect.errtrace_option => b'E',
            b"functrace" if self.state.dialect.functrace_option => b'T',
            b"braceexpand" if self.state.dialect.braces != Braces::None => {
                self.state.options.no_braces = !on;
                return true;
            }
            b"pipefail" => {
                self.state.options.pipe_fail = on;
                return self.state.dialect.pipe_fail;
            }
            b"posix" if self.state.dialect.posix_mode => {
                self.state.options.posix = on;
                let mut dialect = Dialect::of(self.state.dialect.shell);
                if on {
                    dialect.follow_posix();
                }
                self.state.dialect = Rc::new(dialect);
                return true;
            }
            name => {
                let mut known = self.state.dialect.set_names.split(' ');
                return known.any(|known| known.as_bytes() == name);
            }
        };
        self.option(letter, on)
    }

    /// Whether `set -o` has an option of this name.
    pub(in crate::walk) fn is_long_option(&self, name: &[u8]) -> bool {
        let changes_words = matches!(
            name,
            b"noglob" | b"nounset" | b"errexit" | b"allexport" | b"noexec" | b"noclobber"
        );
        let mut others = self.state.dialect.set_names.split(' ');
        changes_words
            || (name == b"pipefail" && self.state.dialect.pipe_fail)
            || (name == b"braceexpand" && self.state.dialect.braces != Braces::None)
            || others.any(|known| known.as_bytes() == name)
    }

    /// Whether an option of `set -o` or `shopt` is on, as `test -o` asks.
    pub(in crate::walk) fn option_is_on(&self, name: &[u8]) -> bool {
        let options = &self.state.options;
        match name {
            b"noglob" => options.no_glob,
            b"nounset" => options.no_unset,
            b"errexit" => options.exit_on_error,
            b"allexport" => options.all_export,
            b"noexec" => options.no_exec,
            b"noclobber" => options.no_clobber,
            b"braceexpand" => !options.no_braces,
            b"pipefail" => options.pipe_fail,
            b"posix" => options.posix,
            b"hashall" | b"interactive-comments" => self.state.dialect.comment_options,
            _ => false,
        }
    }

    /// `set -A name value...`; `set +A` keeps the elements behind the new ones.
    fn fill_array(&mut self, call: &Call<'_>, words: &[Text], anew: bool) -> Result<Status, Stop> {
        let Some((name, values)) = words.split_first() else { return Ok(1) };
        let values = match values {
            [first, rest @ ..]
                if first.bytes() == b"--" && !self.state.dialect.set_array_keeps_dashes =>
            {
                rest
            }
            values => values,
        };
        if anew {
            self.lose_attributes(name.bytes(), false);
            self.assign_array(name.bytes(), values.to_vec(), call.span)?;
            return Ok(0);
        }
        let first = self.state.dialect.first_index;
        for (at, value) in values.iter().enumerate() {
            let key = crate::state::Key::Number(at as i64 + first);
            self.state.store(name.bytes(), Some(key), value.clone(), call.span)?;
        }
        Ok(0)
    }
}

/// `shift [n]`
pub(super) fn shift(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    if walker.state.dialect.shift_takes_arrays {
        return walker.shift_lists(call);
    }
    let operands = walker.numbers(call)?;
    let end = walker.state.dialect.too_many_numbers_end;
    let too_many = operands.len() > 1 && end == Some(Reach::Shell);
    let count = match operands.first().map(Text::bytes) {
        None => 1,
        Some(text) => match walker.numeral(text) {
            Some(_) if too_many => return Err(walker.fatal(call, "too many arguments")),
            Some(count @ 0..) => count as usize,
            _ => return walker.usage(call, "a number of parameters was expected"),
        },
    };
    let before = walker.state.positional.share();
    if walker.state.positional.shift(count) {
        walker.options_begin_again();
        walker.tell_change(Cause::Shift(count), &before, call.span)?;
        return Ok(0);
    }
    match walker.state.dialect.shift_too_many_is_fatal {
        true => Err(walker.fatal(call, "there are fewer parameters than that")),
        false => Ok(1),
    }
}

impl Walker {
    /// `shift [-p] [n] [array...]` of zsh: of arrays or of the parameters, with -p at the end.
    fn shift_lists(&mut self, call: &Call<'_>) -> Result<Status, Stop> {
        let (at_end, operands) = match call.arguments() {
            [first, rest @ ..] if first.bytes() == b"-p" => (true, rest),
            [first, rest @ ..] if first.bytes() == b"--" => (false, rest),
            [first, ..] if matches!(first.bytes(), [b'-', b'a'..=b'z', ..]) => return Ok(1),
            operands => (false, operands),
        };
        let (mut count, mut names) = (1, operands);
        if let [first, rest @ ..] = names
            && !self.is_list(first.bytes())
        {
            match self.numeral(first.bytes()) {
                Some(number) => count = number,
                None => return self.usage(call, "a number of parameters was expected"),
            }
            names = rest;
        }
        let Ok(count) = usize::try_from(count) else { return Ok(1) };
        if names.is_empty() {
            return self.shift_list(b"argv", count, at_end, call);
        }
        let mut status = 0;
        for name in names {
            if self.is_list(name.bytes()) {
                status |= self.shift_list(name.bytes(), count, at_end, call)?;
            }
        }
        Ok(status)
    }

    fn is_list(&self, name: &[u8]) -> bool {
        name == b"argv" || self.state.variables.is_array(name)
    }

    fn shift_list(
        &mut self,
        name: &[u8],
        count: usize,
        at_end: bool,
        call: &Call<'_>,
    ) -> Result<Status, Stop> {
        let kept = |all: usize| if at_end { 0..all - count } else { count..all };
        if name != b"argv" {
            let values = self.state.variables.values(name);
            if count > values.len() {
                return Ok(1);
            }
            self.assign_array(name, values[kept(values.len())].to_vec(), call.span)?;
            return Ok(0);
        }
        let before = self.state.positional.share();
        if count > before.count() {
            return Ok(1);
        }
        match at_end {
            true => self.state.positional.set(before.all()[kept(before.count())].to_vec()),
            false => {
                self.state.positional.shift(count);
            }
        }
        self.tell_change(Cause::Shift(count), &before, call.span)?;
        Ok(0)
    }
}
