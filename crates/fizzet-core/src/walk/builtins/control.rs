//! `break`, `continue`, `exit`, `return`, `eval`, `command`.

use crate::dialect::{DashesBefore, EvalLines, Numerals, StatusNumbers};
use crate::expand::Context;
use crate::stop::{Reach, ShellError, Status, Stop, as_process};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `break [n]`, `continue [n]`: of loops that there are not, the outermost one is meant.
pub(super) fn leave_loop(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    if walker.loops == 0 && dialect.break_looks_for_loops_first {
        if dialect.lone_break_is_told {
            walker.message_hole(call.span);
        }
        return Ok(0);
    }
    let operands = walker.numbers(call)?;
    if operands.len() > 1
        && let Some(end) = dialect.too_many_numbers_end
    {
        return walker.too_many(call, end);
    }
    let levels = match operands.first().map(Text::bytes) {
        None => 1,
        Some(text) => match walker.loop_count(text) {
            Some(levels @ 1..) => u32::try_from(levels).unwrap_or(u32::MAX),
            Some(_) if !dialect.wrong_numbers_are_fatal => {
                // All loops are left.
                walker.state.status = walker.complain(call, 1);
                walker.failure_counts()?;
                return Err(Stop::Break(walker.loops.max(1)));
            }
            _ => {
                let status = dialect.loop_number_status;
                let mistake = walker.fatal_with(call, "a number of loops was expected", status);
                return Err(walker.forgiven_by_command(mistake));
            }
        },
    };
    if walker.loops == 0 {
        if dialect.lone_break_is_told {
            walker.message_hole(call.span);
        }
        return match dialect.lone_break_is_fatal {
            true => Err(walker.fatal(call, "there is no loop here")),
            false => Ok(0),
        };
    }
    let levels = levels.min(walker.loops);
    walker.state.status = 0;
    Err(match call.bytes(0) {
        Some(b"break") => Stop::Break(levels),
        _ => Stop::Continue(levels),
    })
}

/// `exit [status]`, `return [status]`
pub(super) fn exit(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let returns = call.bytes(0) == Some(b"return");
    let dialect = walker.state.dialect.clone();
    let operands = walker.numbers(call)?;
    let counts = dialect.usage_is_fatal
        || operands.first().is_some_and(|first| number(first.bytes()).is_some());
    if operands.len() > 1
        && counts
        && let Some(end) = dialect.too_many_arguments_end
    {
        return walker.too_many(call, end);
    }
    if returns && walker.depth_of_return() == 0 && !dialect.return_ends_shell {
        call.misused.set(true);
        return Ok(walker.complain(call, 2));
    }
    let status = match operands.first().map(Text::bytes) {
        None => i64::from(walker.status_to_leave_with(returns)),
        Some(text) => match walker.status_given(text, returns) {
            Some(status) => status,
            _ if returns && !dialect.wrong_numbers_are_fatal => walker.complain(call, 2).into(),
            _ if returns
                && dialect.usage_status == 1
                && dialect.status_numbers != StatusNumbers::Expression =>
            {
                walker.complain(call, 1).into()
            }
            _ if returns => return Err(walker.fatal(call, "a status was expected")),
            _ => {
                let mistake = walker.fatal(call, "a status was expected");
                return Err(match dialect.status_numbers {
                    StatusNumbers::Digits | StatusNumbers::Natural => mistake,
                    StatusNumbers::Short => mistake.unforgiven(),
                    _ => mistake.exiting(),
                });
            }
        },
    };
    // The shells keep 32 bits.
    let status = status as Status;
    walker.error_exit = None;
    walker.return_is_asked = walker.testing > walker.testing_outside;
    Err(match returns {
        false => Stop::Exit(as_process(status)),
        true if dialect.returns_wide_statuses => Stop::Return(status),
        true => Stop::Return(as_process(status)),
    })
}

/// `eval text...`: the arguments joined with spaces are read again.
pub(super) fn eval(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut text = Vec::new();
    let minds_options = walker.state.dialect.eval_minds_options;
    let words = match call.arguments() {
        [first, rest @ ..] if first.bytes() == b"--" && walker.state.dialect.eval_takes_dashes => {
            rest
        }
        [first, ..]
            if let Some(reach) = minds_options
                && matches!(first.bytes(), [b'-', _, ..])
                && !call.operands.has_dashes(first.bytes()) =>
        {
            return Err(match reach {
                Reach::Shell => walker.fatal_option(call),
                reach => Stop::error("eval: an option is not known", call.span, 2, reach),
            });
        }
        words => words,
    };
    if walker.state.dialect.eval_ends_at_empty_word
        && words.first().is_some_and(|first| first.is_empty() && !first.has_hole())
    {
        return Ok(0);
    }
    if words.iter().any(Text::has_hole) {
        walker.missing("the text that eval carries out", call.span);
    }
    for (at, argument) in words.iter().enumerate() {
        if at > 0 {
            text.push(b' ');
        }
        text.extend_from_slice(argument.bytes());
    }
    let mut lines = text.split(|&byte| byte == b'\n').map(<[u8]>::trim_ascii_start);
    if lines.all(|line| line.is_empty() || line.starts_with(b"#")) {
        return Ok(0);
    }
    let backslashes = text.iter().rev().take_while(|&&byte| byte == b'\\').count();
    let behind_backslash =
        backslashes % 2 == 1 && walker.state.dialect.last_backslash_hides_reserved;
    let source = walker.state.sources.built("eval", &text);
    let rule = match walker.state.option_is_on(b"evallineno") {
        Some(false) => EvalLines::Same,
        _ => walker.state.dialect.line_numbers.in_eval,
    };
    walker.state.number_lines(source, rule);
    let not_asked = walker.state.dialect.eval_is_not_asked;
    let testing = if not_asked { std::mem::take(&mut walker.testing) } else { walker.testing };
    let outcome = walker.deeper_source(source, call.span);
    walker.testing = testing;
    walker.behind_backslash = behind_backslash;
    // What its commands could not write is their mistake.
    walker.lost_output = false;
    match outcome {
        Err(Stop::Exit(status)) if not_asked && testing > 0 && walker.error_exit.is_some() => {
            walker.error_exit = None;
            Ok(status)
        }
        Err(Stop::Syntax(error)) if !walker.state.dialect.eval_syntax_is_fatal => {
            let (message, status) = (error.to_string(), walker.state.dialect.eval_syntax_status);
            walker.survive(ShellError::new(message, error.span, status, Reach::Command));
            Ok(status)
        }
        Err(Stop::Shell(error))
            if walker.state.dialect.eval_holds.holds(error.is_usage) && !error.exits =>
        {
            // A mistake that leaves 0 elsewhere has the status 1 here.
            let status = error.status.max(1);
            walker.survive(error);
            // Where one action for ERR is enough, the mistake has been in the place of it.
            walker.error_told = true;
            Ok(status)
        }
        outcome => outcome.map(|()| walker.state.status),
    }
}

/// A decimal number with an optional sign and blanks around it.
pub(in crate::walk) fn number(text: &[u8]) -> Option<i64> {
    number_before(text, BLANKS)
}

/// What C takes for blanks.
const BLANKS: &str = " \t\n\x0b\x0c\r";

/// A decimal number with an optional sign, blanks before it, and some behind it.
pub(super) fn number_before(text: &[u8], behind: &str) -> Option<i64> {
    if text.len() < 18 && text.iter().all(u8::is_ascii_digit) && !text.is_empty() {
        // What nearly all numbers are.
        return Some(text.iter().fold(0, |sum, digit| sum * 10 + i64::from(digit - b'0')));
    }
    let text = std::str::from_utf8(text).ok()?;
    let is_in = |set: &'static str| move |one: char| set.contains(one);
    let text = text.trim_start_matches(is_in(BLANKS));
    text.trim_end_matches(|one| behind.contains(one)).parse().ok()
}

/// The number at the start of a text, 0 if there is none, the largest if it is too large.
pub(super) fn leading_number(text: &[u8]) -> i64 {
    let text = text.trim_ascii_start();
    let signed = usize::from(matches!(text.first(), Some(b'-' | b'+')));
    let digits = text[signed..].iter().take_while(|byte| byte.is_ascii_digit()).count();
    match digits {
        0 => 0,
        digits => number(&text[..signed + digits]).unwrap_or(i64::MAX),
    }
}

impl Walker {
    /// The operands of a utility that takes numbers: a word such as `-1` is one, and `-x` an unknown
    /// option or a bad number.
    pub(super) fn numbers<'a>(&mut self, call: &Call<'a>) -> Result<&'a [Text], Stop> {
        let argv: &'a [Text] = call.argv;
        let of_status = matches!(argv[0].bytes(), b"exit" | b"return");
        let passes = match self.state.dialect.dashes_before_numbers {
            DashesBefore::None => false,
            DashesBefore::Counts => !of_status,
            DashesBefore::All => true,
        };
        let operands = match &argv[1..] {
            [first, rest @ ..] if passes && first.bytes() == b"--" => return Ok(rest),
            operands => operands,
        };
        let is_option = |text: &Text| match text.bytes() {
            [b'-', second, ..] => !(of_status && second.is_ascii_digit()),
            _ => false,
        };
        if !self.state.dialect.numbers_are_no_options || !operands.first().is_some_and(is_option) {
            return Ok(operands);
        }
        Err(self.fatal_use(call, "an option is not known"))
    }

    /// The end of a utility that has been given more numbers than it takes.
    pub(super) fn too_many(&mut self, call: &Call<'_>, end: Reach) -> Result<Status, Stop> {
        match end {
            Reach::Command => Ok(self.complain(call, 1)),
            _ => {
                let before = Some(self.state.status).filter(|&status| status != 0);
                let kept = before.filter(|_| self.state.dialect.too_many_arguments_keep_status);
                let status = kept.unwrap_or(1);
                let mistake = self.fatal_with(call, "too many arguments", status).of_text();
                Err(self.forgiven_by_command(mistake))
            }
        }
    }

    /// A mistake in the numbers of a utility: the shell decides whether it ends the shell behind `command` too.
    fn forgiven_by_command(&self, mistake: Stop) -> Stop {
        match self.state.dialect.command_forgives_numbers {
            true => mistake,
            false => mistake.unforgiven(),
        }
    }

    /// The status that an argument of `exit` and `return` is.
    fn status_given(&mut self, text: &[u8], returns: bool) -> Option<i64> {
        let small = |status: i64| Status::try_from(status).is_ok();
        match self.state.dialect.status_numbers {
            StatusNumbers::Signed => self.decimal(text),
            StatusNumbers::Natural => self.decimal(text).filter(|&one| one >= 0 && small(one)),
            StatusNumbers::Short => self.decimal(text).filter(|&status| small(status)),
            StatusNumbers::Digits => {
                let digits = !text.is_empty() && text.iter().all(u8::is_ascii_digit);
                digits.then(|| number(text).unwrap_or(i64::MAX))
            }
            StatusNumbers::Leading => {
                let status = leading_number(text);
                Some(if returns && !small(status) { 128 } else { status })
            }
            StatusNumbers::Expression if returns => self.numeral(text),
            StatusNumbers::Expression => Some(self.numeral(text).unwrap_or(0)),
        }
    }

    /// The number that an argument of `break` is.
    fn loop_count(&mut self, text: &[u8]) -> Option<i64> {
        let dialect = &self.state.dialect;
        match dialect.numerals_are_expressions && !dialect.loop_counts_are_expressions {
            true => self.decimal(text),
            false => self.numeral(text),
        }
    }

    /// A decimal number with the sign and the blanks that the shell lets stand around it.
    fn decimal(&self, text: &[u8]) -> Option<i64> {
        match self.state.dialect.numerals {
            Numerals::BlanksBehind(blanks) => number_before(text, blanks),
            Numerals::Digits => number(text).filter(|_| text.iter().all(u8::is_ascii_digit)),
        }
    }

    /// The number that an argument of `shift`, `break`, `exit` and the like is: an expression where
    /// the shell takes one.
    pub(super) fn numeral(&mut self, text: &[u8]) -> Option<i64> {
        if self.state.dialect.numerals_are_expressions {
            let span = self.state.shell_origin().span();
            return crate::expand::arithmetic::text_value(self, text, span).ok();
        }
        self.decimal(text)
    }
}
