//! `set`, `shift`, `shopt`.

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
                if !walker.state.set_option(name, *sign == b'-') {
                    return Err(walker.fatal_option(call));
                }
            }
            b"-" => {
                rest = &rest[1..];
                replaces = !rest.is_empty() || walker.state.dialect.set_dash_clears;
                if walker.state.dialect.set_dash_ends_tracing {
                    for letter in *b"vx" {
                        walker.state.set_letter(letter, false);
                    }
                }
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
                            walker.state.set_option(std::mem::take(&mut letters).as_slice(), on)
                        }
                        b'o' => match rest.split_first() {
                            Some((name, behind))
                                if !walker.state.dialect.set_o_lists_before.holds(name.bytes()) =>
                            {
                                rest = behind;
                                walker.state.set_option(name.bytes(), on)
                            }
                            _ => {
                                walker.tell_options(!on, call);
                                true
                            }
                        },
                        b'A' if walker.state.dialect.set_fills_arrays => {
                            let sorted = sorts.then(|| sorted(rest, 1));
                            return walker.fill_array(call, sorted.as_deref().unwrap_or(rest), on);
                        }
                        b's' if walker.state.dialect.set_sorts && on => {
                            sorts = true;
                            true
                        }
                        letter => walker.state.set_letter(letter, on),
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
    let plus = matches!(call.arguments(), [plus] if plus.bytes() == b"+");
    if plus && walker.state.dialect.set_plus_lists_names {
        walker.list_names(call);
        return Ok(0);
    }
    if call.arguments().is_empty() {
        walker.list_values(call);
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
                .any(|&letter| !self.state.set_letter(letter, true));
            if end == Some(letters.len() - 1) {
                words.next_if(|word| !word.starts_with(b"-"));
            }
        }
        self.state.put_options(kept);
        refuses
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
        false if walker.state.dialect.shift_too_many_is_told => Ok(walker.complain(call, 1)),
        false => Ok(1),
    }
}

impl Walker {
    /// `shift [-p] [n] [array...]` of zsh: of arrays or of the parameters, with -p at the end.
    fn shift_lists(&mut self, call: &Call<'_>) -> Result<Status, Stop> {
        let (at_end, operands) = match call.arguments() {
            [first, rest @ ..] if first.bytes() == b"-p" => (true, rest),
            [first, rest @ ..] if first.bytes() == b"--" => (false, rest),
            [first, ..] if matches!(first.bytes(), [b'-', b'a'..=b'z', ..]) => {
                return Ok(self.complain(call, 1));
            }
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
        let Ok(count) = usize::try_from(count) else { return Ok(self.complain(call, 1)) };
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
                return Ok(self.complain(call, 1));
            }
            self.assign_array(name, values[kept(values.len())].to_vec(), call.span)?;
            return Ok(0);
        }
        let before = self.state.positional.share();
        if count > before.count() {
            return Ok(self.complain(call, 1));
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
