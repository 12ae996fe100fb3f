//! `echo`, `print`, `pwd`.

use crate::dialect::{Dialect, DollarEscapes, EchoEnd};
use crate::expand::Context;
use crate::expand::arithmetic::text_value;
use crate::expand::pattern::Pattern;
use crate::expand::percent;
use crate::lineage::{Origin, Rule};
use crate::state::{State, Value};
use crate::stop::{Status, Stop};
use crate::syntax::arithmetic::character_of;
use crate::syntax::decode_escapes;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::columns::Layout;
use crate::walk::builtins::escapes::decoded;
use crate::walk::builtins::printf::printf;
use crate::walk::builtins::{Call, control::number};
use crate::walk::descriptors::Descriptors;

/// `echo [arguments]`, with the options and escapes of each shell.
pub(super) fn echo(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let decodes = dialect.echo_decodes && !walker.state.options.is_toggled(b"bsdecho");
    let (mut newline, mut escapes) = (true, decodes || walker.state.options.echo_decodes);
    let mut asked = false;
    let mut rest = call.arguments();
    if dialect.echo_as_in_posix {
        let without = rest.first().is_some_and(|first| first.bytes() == b"-n");
        let rest = &rest[usize::from(without)..];
        return Ok(Status::from(!join(walker, call, rest, !without, Escapes::None)));
    }
    while let Some([b'-', letters @ ..]) = rest.first().map(Text::bytes)
        && !letters.is_empty()
        && letters.iter().all(|letter| dialect.echo_options.as_bytes().contains(letter))
        && !(dialect.echo_letters_once && repeats(letters))
    {
        for letter in letters {
            match letter {
                b'n' => newline = false,
                b'e' => (escapes, asked) = (true, true),
                // `-E` takes back what is so by itself, and in some shells `-e`.
                _ => escapes &= asked && dialect.echo_e_outdoes,
            }
        }
        rest = &rest[1..];
        if dialect.echo_takes_one_option {
            break;
        }
    }
    if dialect.echo_takes_dash && rest.first().is_some_and(|text| text.bytes() == b"-") {
        rest = &rest[1..];
    }
    let escapes = if escapes { Escapes::OfEcho } else { Escapes::None };
    Ok(Status::from(!join(walker, call, rest, newline, escapes)))
}

/// Whether a letter stands there twice.
fn repeats(letters: &[u8]) -> bool {
    letters.iter().enumerate().any(|(at, letter)| letters[..at].contains(letter))
}

/// `print [options] [arguments]` of ksh93, mksh and zsh.
pub(super) fn print(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let Some(mut asked) = Asked::of(call, &dialect) else { return Ok(dialect.print_usage_status) };
    if asked.has(b's') || asked.has(b'z') {
        // History, and the text of the next line, which no script reads.
        return Ok(dialect.print_history_status);
    }
    if asked.has(b'p') {
        asked.descriptor = Descriptors::COPROCESS;
    }
    let is_unknown = match dialect.print_columns_only {
        true => asked.has(b'c'),
        false => asked.shows_what_nobody_knows(&walker.state),
    };
    if is_unknown {
        walker.missing("what this option of print shows", call.span);
        walker.write_hole(call.span);
        return Ok(0);
    }
    if asked.descriptor != 1 && walker.descriptors.output(asked.descriptor).is_none() {
        return Ok(walker.complain(call, 1));
    }
    if let Some(name) = &asked.variable
        && !walker.can_be_assigned(name.bytes())
    {
        return match dialect.printf_bad_name_status {
            Some(_) => Ok(walker.complain(call, 1)),
            None => Err(walker.fatal(call, "this is no name of a variable")),
        };
    }
    if asked.has(b'm') && asked.format.is_some() && asked.words.is_empty() {
        return Ok(0);
    }
    if let Some(format) = &asked.format {
        let mut argv = vec![walker.state.shell_text(b"printf")];
        if let Some(variable) = &asked.variable {
            argv.extend([walker.state.shell_text(b"-v"), variable.clone()]);
        }
        argv.push(format.clone());
        argv.extend(asked.chosen(walker));
        return printf(walker, &Call { argv: &argv, ..*call });
    }
    if asked.has(b'm') && asked.words.is_empty() {
        return Ok(walker.complain(call, 1));
    }
    if !dialect.print_columns_only && (asked.has(b'c') || asked.columns.is_some()) {
        return in_columns(walker, call, &asked);
    }
    if dialect.compound_variables && (asked.has(b'v') || asked.has(b'C')) {
        return values(walker, call, &asked);
    }
    let codes = asked.has(b'A');
    let words = match codes {
        true => match characters(walker, call, &asked) {
            Err(Stop::Shell(_)) => return Ok(walker.complain(call, 1)),
            words => words?,
        },
        false => asked.chosen(walker),
    };
    let between: &[u8] = match () {
        () if codes => b"",
        () if asked.has(b'l') => b"\n",
        () if asked.has(b'N') => b"\0",
        () => b" ",
    };
    let end = match asked.has(b'n') {
        true => None,
        false if asked.has(b'N') && dialect.print_ends_in_nul => Some(&b"\0"[..]),
        false => Some(&b"\n"[..]),
    };
    let escapes = if codes { Escapes::None } else { asked.escapes(&dialect) };
    let out = joined(walker, call, &words, between, (end, escapes));
    if let Some(name) = &asked.variable {
        let bytes = out.bytes();
        let ends = bytes.last() == Some(&b'\n') && !asked.has(b'l');
        let kept = out.slice(0, bytes.len() - usize::from(ends));
        walker.assign_text(name.bytes(), kept, call.span)?;
        return Ok(0);
    }
    Ok(Status::from(!walker.write_to(asked.descriptor, out)))
}

/// `print -A` of mksh: the characters whose numbers the words are.
fn characters(walker: &mut Walker, call: &Call<'_>, asked: &Asked<'_>) -> Result<Vec<Text>, Stop> {
    let mut characters = Vec::with_capacity(asked.words.len());
    for word in asked.words {
        let code = text_value(walker, word.bytes(), call.span)?;
        // A number below 0 is none of a character, as one that is too large.
        let code = if code < 0 { i64::MAX } else { code };
        let bytes = character_of(code).unwrap_or_else(|| vec![0]);
        characters.push(Text::from_bytes(
            bytes,
            Standing::Quoted,
            Origin::new(Rule::Output, call.span),
        ));
    }
    Ok(characters)
}

/// `print -v` and `print -C` of ksh93: the values of variables, one a line; those of lists and compound variables
/// line by line, or on one line.
fn values(walker: &mut Walker, call: &Call<'_>, asked: &Asked<'_>) -> Result<Status, Stop> {
    let mut out = Text::new();
    let end = if asked.has(b'n') { asked.words.len() } else { usize::MAX };
    let origin = Origin::new(Rule::Output, call.span);
    for (at, name) in asked.words.iter().enumerate() {
        out.push_text(&value(&mut walker.state, name, asked.has(b'v'), call)?);
        if at + 1 < end {
            out.push(b"\n", Standing::Quoted, &origin);
        }
    }
    Ok(Status::from(!walker.write_to(asked.descriptor, out)))
}

/// The value of a variable or an element that is named, nothing if there is none.
fn value(state: &mut State, name: &Text, in_lines: bool, call: &Call<'_>) -> Result<Text, Stop> {
    let path = state.path_of(name.bytes(), call.span)?;
    if let Some(variable) = state.variables.get(&path) {
        return Ok(match &variable.value {
            Value::Scalar(text) => text.clone(),
            _ => state.shown_value(variable, in_lines),
        });
    }
    let Some((array, index)) = state.element_in(&path) else { return Ok(Text::new()) };
    let key = state.element_key(array, index, call.span)?;
    Ok(state.variables.element(array, &key).cloned().unwrap_or_default())
}

/// `print -c` and `print -C`.
fn in_columns(walker: &mut Walker, call: &Call<'_>, asked: &Asked<'_>) -> Result<Status, Stop> {
    let columns = match &asked.columns {
        None => None,
        Some(text) => match number(text.bytes()).and_then(|number| usize::try_from(number).ok()) {
            Some(columns) if columns > 0 => Some(columns),
            _ => return Ok(walker.complain(call, 1)),
        },
    };
    let escapes = asked.escapes(&walker.state.dialect);
    let words: Vec<Text> = asked
        .chosen(walker)
        .iter()
        .map(|word| joined(walker, call, std::slice::from_ref(word), b"", (None, escapes)))
        .collect();
    let width = walker.state.variables.scalar(b"COLUMNS");
    let width = width.and_then(|text| number(text.bytes())).unwrap_or(0);
    let layout = Layout {
        columns,
        width: usize::try_from(width).unwrap_or(0),
        across: asked.has(b'a'),
        end: if asked.has(b'N') { 0 } else { b'\n' },
    };
    let rows = layout.rows(&words, &Origin::new(Rule::Output, call.span));
    match &asked.variable {
        Some(name) => walker.assign_text(name.bytes(), rows, call.span).map(|()| 0),
        None => Ok(Status::from(!walker.write_to(asked.descriptor, rows))),
    }
}

/// Which escapes are decoded.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Escapes {
    /// None.
    None,
    /// Those of `echo`.
    OfEcho,
    /// Those of `$'...'`.
    OfQuotes,
}

/// What `print` was asked for.
struct Asked<'a> {
    letters: Vec<u8>,
    format: Option<Text>,
    variable: Option<Text>,
    /// How many columns `-C` asks for.
    columns: Option<Text>,
    descriptor: u32,
    words: &'a [Text],
}

impl<'a> Asked<'a> {
    /// Reads the options; `None` where one is not known.
    fn of(call: &Call<'a>, dialect: &Dialect) -> Option<Asked<'a>> {
        // What stands behind -R is read as `echo` reads it.
        let like_echo =
            |word: &Text| word.bytes().starts_with(b"-") && word.bytes().contains(&b'R');
        let options = call.argv.iter().skip(1).take_while(|word| word.bytes().starts_with(b"-"));
        let end = options.clone().position(like_echo).map_or(call.argv.len(), |at| at + 2);
        let given = Call { argv: &call.argv[..end], ..*call }.given(dialect.print_letters, false);
        let mut asked = Asked {
            letters: Vec::new(),
            format: given.value(b'f').cloned(),
            variable: given.value(b'v').cloned(),
            columns: given.value(b'C').cloned(),
            descriptor: 1,
            words: if end < call.argv.len() { &call.argv[end..] } else { given.operands },
        };
        if let Some(number) = given.value(b'u') {
            let number = std::str::from_utf8(number.bytes()).ok();
            asked.descriptor = number.and_then(|one| one.parse().ok()).unwrap_or(u32::MAX);
        }
        asked.letters = given.letters().collect();
        if given.unknown.is_some() {
            return None;
        }
        while asked.has(b'R')
            && let [first, rest @ ..] = asked.words
            && let [b'-', letter] = first.bytes()
            && dialect.print_echo_letters.as_bytes().contains(letter)
        {
            asked.letters.push(*letter);
            asked.words = rest;
        }
        // A lone dash ends the options.
        if let [first, rest @ ..] = asked.words
            && first.bytes() == b"-"
            && (!asked.has(b'R') || dialect.echo_takes_dash)
            && !given.ended
        {
            asked.words = rest;
        }
        Some(asked)
    }

    fn has(&self, letter: u8) -> bool {
        self.letters.contains(&letter)
    }

    fn escapes(&self, dialect: &Dialect) -> Escapes {
        let raw = self.has(b'r') && !self.has(b'R');
        let latest = self.letters.iter().rev().find(|letter| b"rRe".contains(letter));
        match latest {
            _ if !dialect.print_decodes_as_quotes => match latest {
                Some(b'r' | b'R') => Escapes::None,
                _ => Escapes::OfEcho,
            },
            _ if raw => Escapes::None,
            _ if !self.has(b'R') => Escapes::OfQuotes,
            _ if self.has(b'e') => Escapes::OfEcho,
            _ => Escapes::None,
        }
    }

    /// Whether an option shows what nobody knows here: prompts, and what the keyboard sends.
    fn shows_what_nobody_knows(&self, state: &State) -> bool {
        let substitutes = state.option_is_on(b"promptsubst") == Some(true);
        let is_known = |word: &Text| {
            let expands = substitutes && word.bytes().iter().any(|byte| b"$`".contains(byte));
            !expands && percent::expanded(state, word.bytes()).unknown.is_none()
        };
        self.letters.iter().any(|letter| b"bxX".contains(letter))
            || (self.has(b'P') && !self.words.iter().all(is_known))
    }

    /// The words that are shown, in their order: `-m`, `-o`, `-O`, `-i`.
    fn chosen(&self, walker: &Walker) -> Vec<Text> {
        let mut words = self.words.to_vec();
        if self.has(b'm') && !words.is_empty() {
            let text = words.remove(0);
            let unquoted = vec![false; text.len()];
            let rules = walker.state.pattern_rules(false);
            let pattern = Pattern::new(text.bytes(), &unquoted, rules);
            words.retain(|word| pattern.matches(word.bytes()));
        }
        if self.has(b'P') {
            for word in &mut words {
                let shown = percent::expanded(&walker.state, word.bytes()).bytes;
                if shown != word.bytes() {
                    *word = walker.state.shell_text(&shown);
                }
            }
        }
        if self.has(b'D') {
            let home = walker.state.variables.scalar(b"HOME").map_or(&b""[..], Text::bytes);
            words.iter_mut().for_each(|word| *word = without_home(word, home));
        }
        let folded = |word: &Text| match self.has(b'i') {
            true => word.bytes().to_ascii_lowercase(),
            false => word.bytes().to_vec(),
        };
        if self.has(b'o') || self.has(b'O') {
            words.sort_by_key(folded);
        }
        if self.has(b'O') {
            words.reverse();
        }
        words
    }
}

/// A path with `~` for the home directory at its start.
fn without_home(word: &Text, home: &[u8]) -> Text {
    match word.bytes().strip_prefix(home) {
        Some(rest) if !home.is_empty() && matches!(rest, [] | [b'/', ..]) => {
            let origin = word.runs().next().map(|(run, _)| run.origin.clone());
            let mut out = Text::new();
            if let Some(origin) = origin {
                out.push(b"~", Standing::Quoted, &origin);
            }
            out.push_text(&word.slice(home.len(), word.len()));
            out
        }
        _ => word.clone(),
    }
}

/// Prints words with blanks between them; false if that is not possible.
fn join(
    walker: &mut Walker,
    call: &Call<'_>,
    words: &[Text],
    newline: bool,
    escapes: Escapes,
) -> bool {
    let end = newline.then_some(&b"\n"[..]);
    let out = joined(walker, call, words, b" ", (end, escapes));
    walker.write(out)
}

/// Where `\c` stands.
fn end_of_output(bytes: &[u8]) -> Option<usize> {
    let mut at = 0;
    loop {
        match bytes.get(at)? {
            b'\\' if bytes.get(at + 1) == Some(&b'c') => return Some(at),
            b'\\' => at += 2,
            _ => at += 1,
        }
    }
}

/// A word decoded as `$'...'` is; false if `\c` ends all output.
fn unquoted(word: &Text, origin: &Origin, escapes: &DollarEscapes) -> (Text, bool) {
    let bytes = word.bytes();
    let end = end_of_output(bytes);
    let read = decode_escapes(&bytes[..end.unwrap_or(bytes.len())], escapes);
    (Text::from_bytes(read, Standing::Quoted, origin.clone()), end.is_none())
}

/// Words with something between them and at the end, with or without decoding escapes.
fn joined(
    walker: &Walker,
    call: &Call<'_>,
    words: &[Text],
    between: &[u8],
    (mut end, escapes): (Option<&[u8]>, Escapes),
) -> Text {
    let origin = Origin::new(Rule::Output, call.span);
    let mut out = Text::new();
    for (at, word) in words.iter().enumerate() {
        if at > 0 {
            out.push(between, Standing::Quoted, &origin);
        }
        if escapes == Escapes::None || !word.bytes().contains(&b'\\') {
            out.push_text(word);
            continue;
        }
        let dialect = &walker.state.dialect;
        let large = dialect.dollar_escapes.large_octal;
        let (text, goes_on) = match escapes {
            Escapes::OfQuotes => unquoted(word, &origin, dialect.dollar_escapes),
            _ => decoded(word, &origin, dialect.echo_escapes, large),
        };
        out.push_text(&text);
        let stop = walker.state.dialect.echo_end;
        if !goes_on && stop != EchoEnd::DropsNewline {
            if stop == EchoEnd::StopsBehindBlank && at + 1 < words.len() {
                out.push(between, Standing::Quoted, &origin);
            }
            return out;
        }
        // The rest is decoded nevertheless.
        let (bytes, mut from) = (word.bytes(), 0);
        while !goes_on && let Some(at) = end_of_output(&bytes[from..]) {
            end = None;
            from += at + 2;
            let next = end_of_output(&bytes[from..]).map_or(bytes.len(), |next| from + next);
            let piece = word.slice(from, next);
            out.push_text(&decoded(&piece, &origin, dialect.echo_escapes, large).0);
        }
    }
    if let Some(end) = end {
        out.push(end, Standing::Quoted, &origin);
    }
    out
}
