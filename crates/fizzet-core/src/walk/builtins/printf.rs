//! `printf` (POSIX XBD 5 and XCU printf).

use crate::dialect::{Dialect, DollarQuoting, LargeOctal, Positions, PrintfQuoting};
use crate::expand::backslashed as backslashed_for_zsh;
use crate::expand::quoting::{in_dollar_quotes, requoted_for};
use crate::hexadecimal::real_in_hexadecimal;
use crate::lineage::{Origin, Rule};
use crate::real::Format;
use crate::stop::{Status, Stop};
use crate::syntax::is_name;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::escapes::{decoded, escape};
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
    let (out, status) = (printing.out, printing.status);
    match variable {
        Some(name) => walker.assign_text(name.bytes(), out, call.span)?,
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
            [b'-', _, ..] => match dialect.printf_option_status {
                Some(status) => return Err(status),
                None => break,
            },
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
    rest: &'a [Text],
    /// The argument that the next conversion takes, counted from 1, where it has a number.
    chosen: Option<usize>,
    /// The last argument that was taken by its number.
    farthest: usize,
    out: Text,
    /// Whether a width is beyond the limit.
    is_too_wide: bool,
    pub(super) status: Status,
}

/// A conversion specification.
#[derive(Clone, Default)]
struct Specification {
    /// The format in the parentheses of `%(format)T`.
    format: Option<String>,
    left: bool,
    zero: bool,
    plus: bool,
    blank: bool,
    alternative: bool,
    width: usize,
    precision: Option<usize>,
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
    fn large_octal(&self) -> LargeOctal {
        self.walker.state.dialect.dollar_escapes.large_octal
    }

    fn put(&mut self, bytes: &[u8]) {
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
    fn shows_nothing_plainly(&self) -> bool {
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
    fn time(&mut self, format: &str) -> Vec<u8> {
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

    /// A width, as far as there is a limit for it.
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
                // In the locales here, digits are not grouped.
                b'\'' if self.walker.state.dialect.printf_groups => {}
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
                _ => Some(self.written(text, &mut at)),
            };
        }
        let dialect = &self.walker.state.dialect;
        let is_length = |byte: &&u8| dialect.printf_lengths.as_bytes().contains(byte);
        let lengths = text[at..].iter().take_while(is_length).count();
        at += if dialect.printf_takes_one_length { lengths.min(1) } else { lengths };
        if text.get(at) == Some(&b'(') && self.walker.state.dialect.printf_times {
            let close = at + text[at..].iter().position(|&byte| byte == b')')?;
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
        self.chosen = value;
        let goes_on = self.convert(letter, &one);
        self.chosen = None;
        Some((at + 1, goes_on?))
    }

    fn convert(&mut self, letter: u8, one: &Specification) -> Option<bool> {
        match letter {
            b'%' => self.put(b"%"),
            b's' => {
                let text = self.next().unwrap_or_default();
                let end = self.bytes_of(&text, one.precision.unwrap_or(usize::MAX));
                self.padded(&text.slice(0, end), one);
            }
            b'c' => {
                let text = self.next().unwrap_or_default();
                let first = match self.walker.state.dialect.printf_shows_characters {
                    true => crate::text::next_character(text.bytes(), true).map_or(0, |one| one.1),
                    false => text.len().min(1),
                };
                // Of nothing the first character is the byte 0 that ends it.
                let nothing = || Text::from_bytes(*b"\0", Standing::Quoted, self.origin.clone());
                let shown = if first == 0 { nothing() } else { text.slice(0, first) };
                let times = match self.walker.state.dialect.printf_repeats_characters {
                    true => one.precision.unwrap_or(1).clamp(1, MAX_WIDTH),
                    false => 1,
                };
                let mut all = shown.clone();
                (1..times).for_each(|_| all.push_text(&shown));
                self.padded(&all, one);
            }
            b'b' => {
                let text = self.next().unwrap_or_default();
                let letters = self.walker.state.dialect.argument_escapes;
                let (made, goes_on) = decoded(&text, &self.origin, letters, self.large_octal());
                let end = self.bytes_of(&made, one.precision.unwrap_or(usize::MAX));
                self.padded(&made.slice(0, end), one);
                return Some(goes_on);
            }
            b'q' if self.walker.state.dialect.printf_quotes => {
                let quoted = match self.next() {
                    Some(text) => self.quoted(text.bytes()),
                    None if self.walker.state.dialect.printf_quotes_nothing => Vec::new(),
                    None => self.quoted(b""),
                };
                let quoted = Text::from_bytes(quoted, Standing::Quoted, self.origin.clone());
                let end = self.bytes_of(&quoted, one.precision.unwrap_or(usize::MAX));
                self.padded_to(&quoted.slice(0, end), end, one);
            }
            b'n' if self.walker.state.dialect.printf_tells_length => {
                return Some(self.tell_length());
            }
            b'T' => {
                let shown = self.time(one.format.as_deref().unwrap_or("%X"));
                let text = Text::from_bytes(shown, Standing::Quoted, self.origin.clone());
                self.padded(&text, one);
            }
            b'a' | b'A' if let Some(style) = self.walker.state.dialect.printf_hexadecimal => {
                let value = self.next_real();
                let sign = sign_of(value.is_negative(), one);
                let whole = Specification { precision: None, ..one.clone() };
                match real_in_hexadecimal(value.absolute(), style, one.precision, one.alternative) {
                    Some(digits) if letter == b'A' => {
                        self.number(&format!("{sign}0X"), &digits.to_uppercase(), &whole);
                    }
                    Some(digits) => self.number(&format!("{sign}0x"), &digits, &whole),
                    None => {
                        let format = Format {
                            letter: if letter == b'A' { b'F' } else { b'f' },
                            precision: 0,
                            keeps_zeros: false,
                            halves_up: false,
                        };
                        let digits = value.absolute().shown(format);
                        self.number(sign, &digits, &Specification { zero: false, ..whole });
                    }
                }
            }
            b'F' if !self.walker.state.dialect.printf_upper_f => return None,
            b'f' | b'F' | b'e' | b'E' | b'g' | b'G' => {
                let value = self.next_real();
                if !value.is_finite() && self.walker.state.dialect.printf_shows_infinity_plainly {
                    let (precision, keeps_zeros, halves_up) = (0, false, false);
                    let plain = Format { letter: b'f', precision, keeps_zeros, halves_up };
                    let sign = if value.is_negative() { "-" } else { "" };
                    self.put(format!("{sign}{}", value.absolute().shown(plain)).as_bytes());
                    return Some(true);
                }
                let format = Format {
                    letter,
                    precision: one.precision.unwrap_or(6),
                    keeps_zeros: one.alternative,
                    halves_up: self.walker.state.dialect.halves_up,
                };
                let mut digits = value.absolute().shown(format);
                if one.alternative && digits.starts_with(|digit: char| digit.is_ascii_digit()) {
                    keep_point(&mut digits);
                }
                let sign = sign_of(value.is_negative(), one);
                let whole = Specification { precision: None, ..one.clone() };
                self.number(sign, &digits, &whole);
            }
            b'd' | b'i' => {
                let value = self.next_number(true);
                let sign = sign_of(value < 0, one);
                self.whole_number(sign, &value.unsigned_abs().to_string(), one);
            }
            b'u' => {
                let value = self.next_number(false) as u64;
                self.whole_number("", &value.to_string(), one);
            }
            b'o' => {
                let alternative = one.alternative && !self.shows_nothing_plainly();
                let value = self.next_number(false);
                let digits = format!("{value:o}");
                // One zero is enough.
                let led = digits.starts_with('0')
                    || one.precision.is_some_and(|least| least > digits.len());
                let prefix = if alternative && !led { "0" } else { "" };
                match alternative {
                    true => self.number(prefix, &digits, one),
                    false => self.whole_number(prefix, &digits, one),
                }
            }
            b'x' | b'X' => {
                let alternative = one.alternative && !self.shows_nothing_plainly();
                let value = self.next_number(false);
                let (digits, prefix) = match letter {
                    b'x' => (format!("{value:x}"), "0x"),
                    _ => (format!("{value:X}"), "0X"),
                };
                let prefixed = value != 0 || self.walker.state.dialect.printf_prefixes_zero;
                let prefix = if alternative && prefixed { prefix } else { "" };
                self.whole_number(prefix, &digits, one);
            }
            _ => return None,
        }
        Some(true)
    }

    /// `%n`: stores how many bytes there are until here in the variable that the argument names.
    fn tell_length(&mut self) -> bool {
        let Some(name) = self.next() else { return true };
        let count = self.out.len().to_string().into_bytes();
        let text = Text::from_bytes(count, Standing::Quoted, self.origin.clone());
        let stored = is_name(name.bytes())
            && self.walker.assign_text(name.bytes(), text, self.origin.span()).is_ok();
        self.status |= Status::from(!stored);
        stored
    }

    /// How many bytes the first of a text are, counted as the shell counts.
    fn bytes_of(&self, text: &Text, count: usize) -> usize {
        match self.walker.state.dialect.printf_counts_characters {
            true => {
                let mut ends = bstr::ByteSlice::char_indices(text.bytes()).map(|(_, end, _)| end);
                match count {
                    0 => 0,
                    count => ends.nth(count - 1).unwrap_or(text.len()),
                }
            }
            false => count.min(text.len()),
        }
    }

    /// `%q`
    fn quoted(&self, value: &[u8]) -> Vec<u8> {
        let dialect = &self.walker.state.dialect;
        match dialect.printf_quoting {
            PrintfQuoting::Backslashes => backslashed(value),
            PrintfQuoting::BackslashesAlways => {
                let text = Text::from_bytes(value, Standing::Quoted, self.origin.clone());
                backslashed_for_zsh(&text).bytes().to_vec()
            }
            PrintfQuoting::Quotes => requoted_for(dialect, value),
        }
    }

    fn number(&mut self, sign: &str, digits: &str, one: &Specification) {
        let least = match one.precision {
            Some(precision) => precision,
            None if one.zero && !one.left => one.width.saturating_sub(sign.len()),
            None => 1,
        };
        let zeros = "0".repeat(least.min(MAX_WIDTH).saturating_sub(digits.len()));
        let bytes = format!("{sign}{zeros}{digits}");
        let text = Text::from_bytes(bytes, Standing::Quoted, self.origin.clone());
        self.padded(&text, one);
    }

    /// A whole number, of which a 0 without any wanted digit has none.
    fn whole_number(&mut self, sign: &str, digits: &str, one: &Specification) {
        let none = digits == "0" && one.precision == Some(0);
        self.number(sign, if none { "" } else { digits }, one);
    }

    fn padded(&mut self, text: &Text, one: &Specification) {
        let length = match self.walker.state.dialect.printf_counts_characters {
            true => bstr::ByteSlice::chars(text.bytes()).count(),
            false => text.len(),
        };
        self.padded_to(text, length, one);
    }

    /// A text with blanks, as if it had this length.
    fn padded_to(&mut self, text: &Text, length: usize, one: &Specification) {
        let blanks = vec![b' '; one.width.saturating_sub(length)];
        if !one.left {
            self.put(&blanks);
        }
        self.out.push_text(text);
        if one.left {
            self.put(&blanks);
        }
    }
}

/// Puts a point behind the whole part of a real that has none.
fn keep_point(digits: &mut String) {
    if !digits.contains('.') {
        let whole = digits.find(|one: char| !one.is_ascii_digit()).unwrap_or(digits.len());
        digits.insert(whole, '.');
    }
}

/// Whether a format ends before the letter of its last conversion.
fn is_cut(text: &[u8]) -> bool {
    text.iter().all(|byte| byte.is_ascii_digit() || b"-+ #.*$hljtzLq".contains(byte))
}

/// The sign of a number, or what a conversion puts in its place.
fn sign_of(negative: bool, one: &Specification) -> &'static str {
    match negative {
        true => "-",
        false if one.plus => "+",
        false if one.blank => " ",
        false => "",
    }
}

/// A value with backslashes, as `%q` of bash prints it.
fn backslashed(value: &[u8]) -> Vec<u8> {
    if value.is_empty() {
        return b"''".to_vec();
    }
    if DollarQuoting::Octal.escapes_some(value) {
        return in_dollar_quotes(DollarQuoting::Octal, value);
    }
    let mut out = Vec::with_capacity(value.len());
    for (at, &byte) in value.iter().enumerate() {
        let special = match byte {
            b' ' | b'!' | b'"' | b'$' | b'&' | b'\'' | b'(' | b')' | b'*' | b',' | b';' | b'<'
            | b'>' | b'?' | b'[' | b'\\' | b']' | b'^' | b'`' | b'{' | b'|' | b'}' => true,
            b'#' => at == 0,
            b'~' => at == 0 || matches!(value[at - 1], b':' | b'='),
            _ => false,
        };
        if special {
            out.push(b'\\');
        }
        out.push(byte);
    }
    out
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
