//! `shift`.

use crate::stop::{Reach, Status, Stop};
use crate::text::Text;
use crate::walk::builtins::Call;
use crate::walk::{Cause, Walker};

/// `shift [n]`
pub(super) fn shift(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    if walker.state.dialect.shift_takes_arrays {
        return walker.shift_lists(call);
    }
    let operands = walker.numbers(call)?;
    let end = walker.state.dialect.too_many_numbers_end;
    let too_many = end.filter(|end| operands.len() > 1 && *end == Reach::Shell);
    let count = match operands.first().map(Text::bytes) {
        None => 1,
        Some(text) => match walker.numeral(text) {
            Some(_) if too_many.is_some() => return walker.too_many(call, Reach::Shell),
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
            [first, rest @ ..] if matches!(first.bytes(), b"--" | b"-") => (false, rest),
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
