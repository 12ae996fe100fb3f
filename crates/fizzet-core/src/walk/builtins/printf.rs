//! `printf` (POSIX XBD 5 and XCU printf).

use crate::dialect::{Dialect, LargeOctal, Positions};
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::escapes::escape;
use crate::walk::builtins::{Call, time};

/// The largest width and precision that is written out.
const MAX_WIDTH: usize = 1 << 22;

/// `printf format [arguments]`: the format is used again as long as arguments are left.
pub(super) fn printf(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let (variable, operands) = match options(call, &dialect) {
        Ok(read) => read,
        Err(status) => return Ok(status),
    };
    if let Some(name) = &variable
        && !walker.can_be_assigned(name.bytes())
    {
        return match dialect.printf_bad_name_status {
            Some(status) => Ok(status),
            None => Err(walker.fatal(call, "this is no name of a variable")),
        };
    }
    let Some((format, arguments)) = operands.split_first() else {
        return Ok(dialect.printf_nothing_status);
    };
    let origin = Origin::new(Rule::Output, call.span);
    let mut printing = Printing {
        walker,
        origin,
        pass: arguments,
        rest: arguments,
        chosen: None,
        farthest: 0,
        out: Text::new(),
        is_too_wide: false,
        status: 0,
        is_broken: false,
        is_refused: false,
    };
    loop {
        let before = printing.rest.len();
        let goes_on = printing.once(format);
        printing.pass_ends();
        if !goes_on || printing.rest.is_empty() || printing.rest.len() == before {
            break;
        }
    }
    if printing.is_too_wide {
        let (what, limit) = ("characters of width in a format of printf", MAX_WIDTH as u64);
        return Err(Stop::Limit { what, limit, span: call.span });
    }
    let (out, status, is_refused) = (printing.out, printing.status, printing.is_refused);
    match variable {
        Some(_) if is_refused && dialect.printf_stores_whole_formats => {}
        Some(name) => {
            // A variable holds nothing behind a NUL.
            let end = out.bytes().iter().position(|&byte| byte == 0);
            let ends = end.filter(|_| dialect.printed_variables_end_at_nul);
            let value = match ends {
                Some(end) => out.slice(0, end),
                None => out,
            };
            walker.assign_text(name.bytes(), value, call.span)?;
        }
        None if !walker.write(out) => return Ok(1),
        None => {}
    }
    Ok(status)
}

/// The variable behind `-v`, and the operands; or the status of a call that says too little.
fn options<'a>(
    call: &'a Call<'_>,
    dialect: &Dialect,
) -> Result<(Option<Text>, &'a [Text]), Status> {
    let (mut variable, mut operands) = (None, call.arguments());
    while let [first, rest @ ..] = operands {
        match first.bytes() {
            b"--" => return Ok((variable, rest)),
            [b'-', b'v', attached @ ..] if dialect.printf_stores => {
                let (name, rest) = match (attached, rest) {
                    ([], []) => return Err(dialect.printf_nothing_status),
                    ([], [name, rest @ ..]) => (name.clone(), rest),
                    _ => (first.slice(2, first.len()), rest),
                };
                (variable, operands) = (Some(name), rest);
            }
            bytes @ [b'-', _, ..] if !call.operands.has_dashes(bytes) => {
                match dialect.printf_option_status {
                    Some(status) => return Err(status),
                    None => break,
                }
            }
            _ => break,
        }
    }
    Ok((variable, operands))
}

pub(super) struct Printing<'a> {
    pub(super) walker: &'a mut Walker,
    pub(super) origin: Origin,
    /// The arguments that were left when this pass through the format began.
    pass: &'a [Text],
    pub(super) rest: &'a [Text],
    /// The argument that the next conversion takes, counted from 1, where it has a number.
    chosen: Option<usize>,
    /// The last argument that was taken by its number.
    farthest: usize,
    pub(super) out: Text,
    /// Whether a width is beyond the limit.
    is_too_wide: bool,
    pub(super) status: Status,
    /// Whether a mistake in an argument was none of arithmetic, which ends the output before it.
    pub(super) is_broken: bool,
    /// Whether something in the format is no conversion.
    is_refused: bool,
}

/// A conversion specification.
#[derive(Clone, Default)]
pub(super) struct Specification {
    /// The format in the parentheses of `%(format)T`.
    pub(super) format: Option<String>,
    pub(super) left: bool,
    pub(super) zero: bool,
    pub(super) plus: bool,
    pub(super) blank: bool,
    pub(super) alternative: bool,
    /// Whether digits are to be grouped, which they are not in the locales here.
    pub(super) groups: bool,
    pub(super) width: usize,
    pub(super) precision: Option<usize>,
    /// A precision with a dash before it, which the C library knows nothing of.
    pub(super) dashed: Option<String>,
}

impl Specification {
    /// What the C library writes in the place of a conversion whose precision has a dash: the conversion itself, as
    /// it has understood it.
    fn unknown(&self, dashed: &str, letter: u8) -> String {
        let sign = |given: bool, sign: &'static str| if given { sign } else { "" };
        let width = if self.width > 0 { self.width.to_string() } else { String::new() };
        let length = match letter {
            b'd' | b'i' | b'o' | b'u' | b'x' | b'X' => "l",
            b's' | b'c' => "",
            _ => "L",
        };
        let flags = [
            sign(self.alternative, "#"),
            sign(self.groups, "'"),
            sign(self.plus, "+"),
            sign(self.blank && !self.plus, " "),
            sign(self.left, "-"),
            sign(self.zero && !self.left, "0"),
        ];
        format!("%{}{width}.0{dashed}{length}{}", flags.concat(), char::from(letter))
    }
}

impl Printing<'_> {
    /// Goes through the format once; false when `\c` ends the output.
    fn once(&mut self, format: &Text) -> bool {
        let bytes = format.bytes();
        let mut at = 0;
        while at < bytes.len() {
            let plain = bytes[at..].iter().take_while(|&&b| !matches!(b, b'%' | b'\\')).count();
            if plain > 0 {
                self.out.push_text(&format.slice(at, at + plain));
                at += plain;
                continue;
            }
            if bytes[at] == b'\\' {
                let letters = self.walker.state.dialect.format_escapes.as_bytes();
                if bytes.get(at + 1) == Some(&b'c') && letters.contains(&b'c') {
                    return false;
                }
                if bytes.get(at + 1) == Some(&b'c') && letters.contains(&b'^') {
                    at += 2 + self.control(&bytes[at + 2..]);
                    continue;
                }
                match escape(&bytes[at + 1..], letters, self.large_octal()) {
                    Some((made, used)) => {
                        self.put(&made);
                        at += 1 + used;
                    }
                    None => {
                        self.put(b"\\");
                        at += 1;
                    }
                }
                continue;
            }
            match self.specification(&bytes[at + 1..]) {
                Some((used, true)) => at += 1 + used,
                Some((_, false)) => return false,
                None if self.walker.state.dialect.printf_shows_cut_conversions
                    && is_cut(&bytes[at + 1..]) =>
                {
                    self.put(b"%");
                    return true;
                }
                None => {
                    // What is no conversion ends the output.
                    self.is_refused = true;
                    self.status = self.walker.state.dialect.bad_conversion_status;
                    return false;
                }
            }
        }
        true
    }

    /// The control character of `\cX`, where X can be an escape itself; how many bytes X takes.
    fn control(&mut self, text: &[u8]) -> usize {
        let letters = self.walker.state.dialect.format_escapes.as_bytes();
        let (byte, used) = match text {
            [] => (b'@', 0),
            [b'\\', rest @ ..] => match escape(rest, letters, self.large_octal()) {
                Some((made, used)) => (made.first().copied().unwrap_or(b'@'), 1 + used),
                None => (b'\\', 1),
            },
            [byte, ..] => (*byte, 1),
        };
        self.put(&[byte.to_ascii_uppercase() ^ 0x40]);
        used
    }

    /// What becomes of octal escapes that are more than a byte.
    pub(super) fn large_octal(&self) -> LargeOctal {
        self.walker.state.dialect.dollar_escapes.large_octal
    }

    pub(super) fn put(&mut self, bytes: &[u8]) {
        if !bytes.is_empty() {
            self.out.push(bytes, Standing::Quoted, &self.origin);
        }
    }

    /// What was taken, in turn or by its number, is gone in the next pass.
    fn pass_ends(&mut self) {
        let taken = (self.pass.len() - self.rest.len()).max(self.farthest.min(self.pass.len()));
        self.rest = &self.pass[taken..];
        self.pass = self.rest;
        self.farthest = 0;
    }

    /// The number and `$` of an argument that is taken out of turn.
    fn position(&self, text: &[u8], at: &mut usize) -> Option<usize> {
        let mut end = *at;
        let number = digits(text, &mut end);
        let there = self.walker.state.dialect.printf_positions != Positions::None
            && number > 0
            && text.get(end) == Some(&b'$');
        if there {
            *at = end + 1;
        }
        there.then_some(number)
    }

    /// Whether there is no argument left, and `#` says nothing of that although it does of a written 0.
    pub(super) fn shows_nothing_plainly(&self) -> bool {
        let number = self.chosen;
        let gone = number.map_or(self.rest.is_empty(), |number| number > self.pass.len());
        gone && self.walker.state.dialect.printf_prefixes_zero
    }

    pub(super) fn next(&mut self) -> Option<Text> {
        if let Some(number) = self.chosen.take() {
            self.farthest = self.farthest.max(number);
            if self.walker.state.dialect.printf_positions == Positions::InTurn {
                self.rest = self.pass.get(number..).unwrap_or_default();
            }
            return self.pass.get(number - 1).cloned();
        }
        let (first, rest) = self.rest.split_first()?;
        self.rest = rest;
        Some(first.clone())
    }

    /// A time of `%(format)T`, in universal time; what depends on the clock or a time zone is missing.
    pub(super) fn time(&mut self, format: &str) -> Vec<u8> {
        let given = !self.rest.is_empty();
        let seconds = self.next_number(true);
        let before_1970 = seconds < -2 && self.walker.state.dialect.printf_knows_early_times;
        let zone = self.walker.state.variables.scalar(b"TZ").is_some_and(|zone| !zone.is_empty());
        match time::shown(seconds, format) {
            Some(text) if given && (seconds >= 0 || before_1970) && !zone => text.into_bytes(),
            _ => {
                let span = self.origin.span();
                crate::expand::Context::missing(self.walker, "what the clock says", span);
                self.out.push_hole(Standing::Quoted, &self.origin);
                Vec::new()
            }
        }
    }

    /// Whether the shell gives up as there is no argument for a `*`.
    fn lacks_star(&mut self) -> bool {
        let lacks = self.rest.is_empty() && self.walker.state.dialect.printf_stars_need_arguments;
        self.status |= Status::from(lacks);
        lacks
    }

    /// The width or precision that an argument says, a number of C's `int`.
    fn star(&mut self) -> i32 {
        let before = self.status;
        let number = match self.walker.state.dialect.printf_minds_widths {
            true => self.next_number(true),
            false => self.next().and_then(|text| plain_number(text.bytes())).unwrap_or(0),
        };
        if !self.walker.state.dialect.printf_minds_widths {
            self.status = before;
        }
        number as i32
    }

    /// The width or precision that the format says.
    fn written(&self, text: &[u8], at: &mut usize) -> usize {
        let number = digits(text, at);
        match self.walker.state.dialect.printf_widths_wrap {
            true => number as i32 as usize,
            false => number,
        }
    }

    /// A width or a precision, as far as there is a limit for it.
    fn width(&mut self, width: usize) -> usize {
        self.is_too_wide |= width > MAX_WIDTH;
        width.min(MAX_WIDTH)
    }

    /// One conversion behind its `%`: how many bytes it takes, and whether to go on.
    fn specification(&mut self, text: &[u8]) -> Option<(usize, bool)> {
        let mut one = Specification::default();
        let mut at = 0;
        let value = self.position(text, &mut at);
        loop {
            match text.get(at)? {
                b'-' => one.left = true,
                b'0' => one.zero = true,
                b'+' => one.plus = true,
                b' ' => one.blank = true,
                b'#' => one.alternative = true,
                b'\'' if self.walker.state.dialect.printf_groups => one.groups = true,
                _ => break,
            }
            at += 1;
        }
        if text.get(at) == Some(&b'*') {
            if self.lacks_star() {
                return Some((text.len(), false));
            }
            at += 1;
            self.chosen = self.position(text, &mut at);
            let width = self.star();
            one.left |= width < 0;
            one.width = self.width(width.unsigned_abs() as usize);
        } else {
            let width = self.written(text, &mut at);
            one.width = self.width(width);
        }
        if text.get(at) == Some(&b'.') {
            at += 1;
            one.precision = match text.get(at) {
                Some(b'*') if self.lacks_star() => return Some((text.len(), false)),
                Some(b'*') => {
                    at += 1;
                    self.chosen = self.position(text, &mut at);
                    // One below 0 is none (C11 7.21.6.1).
                    usize::try_from(self.star()).ok()
                }
                Some(b'-') if self.walker.state.dialect.printf_precisions_have_dashes => {
                    let start = at;
                    at += 1;
                    digits(text, &mut at);
                    one.dashed = Some(String::from_utf8_lossy(&text[start..at]).into_owned());
                    Some(0)
                }
                _ => Some(self.written(text, &mut at)),
            };
        }
        let dialect = &self.walker.state.dialect;
        let is_length = |byte: &&u8| dialect.printf_lengths.as_bytes().contains(byte);
        let lengths = text[at..].iter().take_while(is_length).count();
        at += if dialect.printf_takes_one_length { lengths.min(1) } else { lengths };
        if text.get(at) == Some(&b'(') && self.walker.state.dialect.printf_times {
            let closes = closing_parenthesis(&text[at..]).map(|close| at + close);
            let is_time = |close: &usize| text.get(close + 1) == Some(&b'T');
            let Some(close) = closes.filter(is_time) else {
                if !self.walker.state.dialect.printf_bad_times_are_text {
                    return None;
                }
                // What is no time is text behind its sign.
                self.put(b"%");
                return Some((0, true));
            };
            one.format = Some(String::from_utf8_lossy(&text[at + 1..close]).into_owned());
            at = close + 1;
        }
        let letter = *text.get(at).filter(|letter| (**letter == b'T') == one.format.is_some())?;
        if letter == b'%' && at > 0 && !self.walker.state.dialect.printf_percent_is_converted {
            return None;
        }
        if letter == b'b' && at > 0 && !self.walker.state.dialect.printf_fills_escapes {
            return None;
        }
        let is_missing = value.is_some_and(|number| number > self.pass.len());
        if is_missing && self.walker.state.dialect.printf_positions_must_exist {
            self.status = 1;
            return Some((text.len(), false));
        }
        let only_cuts = matches!(letter, b's' | b'b' | b'q' | b'Q' | b'T');
        if let Some(precision) = one.precision.filter(|_| !only_cuts) {
            one.precision = Some(self.width(precision));
        }
        self.chosen = value;
        let before = self.out.len();
        let goes_on = self.convert(letter, &one);
        if let Some(dashed) = one.dashed.as_ref().filter(|_| b"diouxXeEfFgGaAsc".contains(&letter))
        {
            self.out = self.out.slice(0, before);
            self.put(one.unknown(dashed, letter).as_bytes());
        }
        self.chosen = None;
        if self.is_broken {
            self.status = 1;
            self.out = self.out.slice(0, before);
            return Some((text.len(), false));
        }
        Some((at + 1, goes_on?))
    }
}

/// Where the parenthesis is that closes the first one.
fn closing_parenthesis(text: &[u8]) -> Option<usize> {
    let mut open = 0u32;
    text.iter().position(|byte| {
        match byte {
            b'(' => open += 1,
            b')' => open -= 1,
            _ => {}
        }
        open == 0
    })
}

/// Whether a format ends before the letter of its last conversion.
fn is_cut(text: &[u8]) -> bool {
    text.iter().all(|byte| byte.is_ascii_digit() || b"-+ #.*$hljtzLq".contains(byte))
}

/// A decimal number and nothing else.
fn plain_number(text: &[u8]) -> Option<i64> {
    let digits = text.strip_prefix(b"-").unwrap_or(text);
    let is_one = digits.first().is_some_and(u8::is_ascii_digit);
    std::str::from_utf8(text).ok().filter(|_| is_one)?.parse().ok()
}

fn digits(text: &[u8], at: &mut usize) -> usize {
    let mut value = 0usize;
    while let Some(digit @ b'0'..=b'9') = text.get(*at) {
        value = value.saturating_mul(10).saturating_add(usize::from(digit - b'0'));
        *at += 1;
    }
    value
}
