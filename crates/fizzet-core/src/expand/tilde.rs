//! Tilde expansion (POSIX XCU 2.6.1).

use std::ops::Range;

use bstr::ByteSlice;

use crate::dialect::HomeSlash;
use crate::expand::continued::joined_behind_tilde;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::tilde_cut::before_end;
use crate::expand::{Context, Tilde};
use crate::host::FileKind;
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::ast::Part;
use crate::syntax::{Parser, is_name};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// Expands the tildes of the leading literal (and, in an assignment, those after colons in any
    /// literal), and answers the parts that are left.
    pub(super) fn tildes<'p>(
        &mut self,
        parts: &'p [Part],
        place: Place,
    ) -> Result<&'p [Part], Stop> {
        if let Some(joined) = joined_behind_tilde(&self.cx.state().sources, parts) {
            let rest = self.tildes(&joined, place)?;
            rest.iter().try_for_each(|part| self.part(part, place))?;
            return Ok(&[]);
        }
        if place.tilde == Tilde::AfterAssignment
            && let [Part::Literal { bytes, span }, rest @ ..] = parts
            && let Some(head) = assignment_head(bytes)
        {
            let place = Place { tilde: Tilde::AfterColons, assigned: !place.fields, ..place };
            self.declares = true;
            self.literal(bytes, *span, 0..head, place)?;
            let value = within(*span, bytes, head..bytes.len());
            if self.cx.state().dialect.tilde_reads_expansions && !rest.is_empty() {
                let first = Part::Literal { bytes: bytes[head..].into(), span: value };
                let empty = head == bytes.len();
                let first = [first].into_iter().filter(|_| !empty);
                let parts: Vec<Part> = first.chain(rest.iter().cloned()).collect();
                let left = self.tildes(&parts, place)?;
                left.iter().try_for_each(|part| self.part(part, place))?;
                return Ok(&[]);
            }
            self.assigned_literal(&bytes[head..], value, rest.is_empty(), place)?;
            self.later_parts(rest, place)?;
            return Ok(&[]);
        }
        if place.tilde == Tilde::AfterEquals
            && let Some(at) = parts.iter().skip(1).position(begins_with_tilde)
            && !parts[..=at].iter().any(has_equals)
        {
            let (before, here) = parts.split_at(at + 1);
            let rest = self.tildes(before, Place { tilde: Tilde::AtStart, ..place })?;
            rest.iter().try_for_each(|part| self.part(part, place))?;
            return self.behind_made_equals(here, place);
        }
        if place.tilde == Tilde::AfterEquals
            && let Some(at) = parts.iter().position(has_equals)
        {
            return self.after_equals(parts, at, place);
        }
        if self.cx.state().dialect.unknown_user_cuts_word
            && let Some(kept) = before_end(parts, place.tilde == Tilde::AfterColons)
        {
            let rest = self.tildes(&kept, place)?;
            rest.iter().try_for_each(|part| self.part(part, place))?;
            self.cut = true;
            return Ok(&[]);
        }
        let reads = self.cx.state().dialect.tilde_reads_expansions;
        if reads && place.tilde == Tilde::AfterColons && parts.len() > 1 {
            let each = Place { tilde: Tilde::AtStart, ..place };
            for stretch in between_colons(parts) {
                let rest = self.tildes(&stretch, each)?;
                rest.iter().try_for_each(|part| self.part(part, each))?;
            }
            return Ok(&[]);
        }
        if reads
            && let [Part::Literal { bytes, .. }, _, ..] = parts
            && bytes[0] == b'~'
            && !bytes.iter().any(|byte| matches!(byte, b'/' | b':'))
        {
            let used = self.named_by_expansion(parts, place)?;
            return Ok(&parts[used..]);
        }
        match parts {
            [Part::Literal { bytes, span }, rest @ ..] if place.tilde == Tilde::AfterColons => {
                self.assigned_literal(bytes, *span, rest.is_empty(), place)?;
                self.later_parts(rest, place)?;
                Ok(&[])
            }
            [Part::Literal { bytes, span }, rest @ ..] if bytes[0] == b'~' => {
                let dialect = self.cx.state().dialect.clone();
                let colon = bytes.iter().position(|&byte| matches!(byte, b'/' | b':'));
                let colon = colon.filter(|&at| bytes[at] == b':');
                let ends = dialect.colon_ends_tilde || place.tilde == Tilde::ToColon;
                let colon = colon.filter(|_| ends);
                if dialect.tilde_word_is_quoted && colon.is_some() {
                    return self.tilde_word(parts, place);
                }
                let used = self.tilde_prefix(bytes, *span, rest.is_empty(), colon.is_some())?;
                self.literal(bytes, *span, used..bytes.len(), place)?;
                Ok(rest)
            }
            _ if place.tilde == Tilde::AfterColons => {
                self.later_parts(parts, place)?;
                Ok(&[])
            }
            _ => Ok(parts),
        }
    }

    /// Parts that begin with a tilde, behind an expansion: it counts if that has made the first equals sign and
    /// ends in it.
    fn behind_made_equals<'p>(
        &mut self,
        parts: &'p [Part],
        place: Place,
    ) -> Result<&'p [Part], Stop> {
        let [Part::Literal { bytes, span }, rest @ ..] = parts else { return Ok(parts) };
        let plain = Place { tilde: Tilde::Never, ..place };
        if self.made_equals() != (1, true) {
            return match parts.iter().position(has_equals) {
                Some(0) => self.equals_in_literal(bytes, *span, rest, place).map(|()| &parts[..0]),
                Some(at) => {
                    self.part(&parts[0], plain)?;
                    self.after_equals(rest, at - 1, place)
                }
                None => Ok(parts),
            };
        }
        let used = self.tilde_prefix(bytes, *span, rest.is_empty(), false)?;
        self.literal(bytes, *span, used..bytes.len(), place)?;
        rest.iter().try_for_each(|part| self.part(part, plain))?;
        Ok(&[])
    }

    /// A tilde directly behind the first unquoted `=` of a word, whatever stands before that.
    fn after_equals<'p>(
        &mut self,
        parts: &'p [Part],
        at: usize,
        place: Place,
    ) -> Result<&'p [Part], Stop> {
        let plain = Place { tilde: Tilde::Never, ..place };
        let (before, here) = parts.split_at(at);
        let starts = matches!(here, [Part::Literal { bytes, .. }, ..] if bytes[0] == b'~');
        let mut begin = 0;
        match before {
            [] if starts => {
                let Part::Literal { bytes, span } = &here[0] else { return Ok(parts) };
                begin = self.tilde_prefix(bytes, *span, parts.len() == 1, false)?;
            }
            before => {
                let rest = self.tildes(before, Place { tilde: Tilde::AtStart, ..place })?;
                rest.iter().try_for_each(|part| self.part(part, plain))?;
            }
        }
        let Part::Literal { bytes, span } = &parts[at] else { return Ok(&parts[at..]) };
        let rest = within(*span, bytes, begin..bytes.len());
        self.equals_in_literal(&bytes[begin..], rest, &parts[at + 1..], place)?;
        Ok(&[])
    }

    /// A literal with an equals sign in it, behind which a tilde counts if no equals sign is made already,
    /// and what follows it.
    fn equals_in_literal(
        &mut self,
        bytes: &[u8],
        span: Span,
        rest: &[Part],
        place: Place,
    ) -> Result<(), Stop> {
        let plain = Place { tilde: Tilde::Never, ..place };
        let mut from = 0;
        if self.made_equals().0 == 0 {
            let equals = bytes.iter().position(|&byte| byte == b'=');
            from = equals.map_or(0, |equals| equals + 1);
            self.literal(bytes, span, 0..from, place)?;
            if bytes.get(from) == Some(&b'~') {
                let behind = within(span, bytes, from..bytes.len());
                from += self.tilde_prefix(&bytes[from..], behind, rest.is_empty(), false)?;
            }
        }
        self.literal(bytes, span, from..bytes.len(), place)?;
        let fields = self.fields_done();
        for (at, part) in rest.iter().enumerate() {
            // Another field has a first equals sign of its own.
            if self.fields_done() > fields
                && has_equals(part)
                && let Part::Literal { bytes, span } = part
            {
                return self.equals_in_literal(bytes, *span, &rest[at + 1..], place);
            }
            self.part(part, plain)?;
        }
        Ok(())
    }

    /// A word that begins with a tilde-prefix and a colon, where the shell takes all up to the next
    /// slash, expansions included, for quoted text once the tilde has been expanded.
    fn tilde_word<'p>(&mut self, parts: &'p [Part], place: Place) -> Result<&'p [Part], Stop> {
        let sources = &self.cx.state().sources;
        let written = |part: &'p Part| match part {
            Part::Literal { bytes, .. } => &**bytes,
            other => sources.bytes(other.span()),
        };
        let has_slash = |part: &'p Part| written(part).contains(&b'/');
        let reach = parts.iter().position(has_slash).map_or(parts.len(), |at| at + 1);
        let (word, rest) = parts.split_at(reach);
        let until_slash = word.iter().flat_map(written).take_while(|byte| **byte != b'/');
        let is_quoted = until_slash.copied().any(|byte| matches!(byte, b'\'' | b'"' | b'\\'));
        let Some(Part::Literal { bytes, span }) = word.first() else { return Ok(parts) };
        let used = match is_quoted {
            true => 0,
            false => self.tilde_prefix(bytes, *span, true, true)?,
        };
        if used == 0 {
            self.literal(bytes, *span, 0..bytes.len(), place)?;
            return Ok(&parts[1..]);
        }
        for (at, part) in word.iter().enumerate() {
            let (from, span) = (if at == 0 { used } else { 0 }, part.span());
            let written = match part {
                Part::Literal { bytes, .. } => bytes,
                other => self.cx.state().sources.bytes(other.span()),
            };
            let written = written.get(from..).unwrap_or_default().to_vec();
            let slash = written.iter().position(|&byte| byte == b'/');
            let (quoted, plain) = written.split_at(slash.unwrap_or(written.len()));
            let start = span.start + from as u32;
            let end = start + quoted.len() as u32;
            let quoted_span = Span { start, end, ..span };
            self.push(quoted, Standing::Quoted, &Origin::new(Rule::Literal, quoted_span))?;
            if let Part::Literal { .. } = part {
                let behind = Span { start, ..span };
                self.literal(&written, behind, quoted.len()..written.len(), place)?;
            } else if !plain.is_empty() {
                // The slash stood inside an expansion, whose rest is read as text.
                let dialect = self.cx.state().dialect.clone();
                let rest = Span { start: end, ..span };
                let word = Parser::new(plain, rest.source, &dialect).whole_word(rest)?;
                word.parts.iter().try_for_each(|part| self.part(part, place))?;
            }
        }
        Ok(rest)
    }

    /// In an assignment a tilde counts after each unquoted colon, wherever the literal stands.
    fn later_parts(&mut self, parts: &[Part], place: Place) -> Result<(), Stop> {
        for (at, part) in parts.iter().enumerate() {
            if self.cut {
                break;
            }
            match part {
                Part::Literal { bytes, span } => {
                    let last = at + 1 == parts.len();
                    let head = bytes.iter().position(|&b| b == b':').map_or(bytes.len(), |n| n + 1);
                    self.literal(bytes, *span, 0..head, place)?;
                    if head < bytes.len() {
                        let rest = within(*span, bytes, head..bytes.len());
                        self.assigned_literal(&bytes[head..], rest, last, place)?;
                    }
                }
                other => self.part(other, Place { tilde: Tilde::Never, ..place })?,
            }
            if self.left_over.is_some() {
                return self.ended_by_left_over(&parts[at + 1..], place);
            }
        }
        Ok(())
    }

    /// A literal of an assignment's value, with a tilde allowed at its start and after colons.
    fn assigned_literal(
        &mut self,
        bytes: &[u8],
        span: Span,
        last: bool,
        place: Place,
    ) -> Result<(), Stop> {
        let mut at = 0;
        if place.assigned && bytes.contains(&b'~') {
            self.cx.state().tilde_was_assigned = true;
        }
        while at < bytes.len() {
            let begins = bytes[at] == b'~';
            if begins {
                let rest = within(span, bytes, at..bytes.len());
                at += self.tilde_prefix(&bytes[at..], rest, last, true)?;
            }
            let rest = &bytes[at..];
            let mut length = rest.iter().position(|&b| b == b':').map_or(rest.len(), |n| n + 1);
            if begins && self.signs_end_names() {
                let slash = rest.find_byte(b'/').unwrap_or(rest.len());
                length = rest[..length.min(slash)].find(b"=~").map_or(length, |sign| sign + 1);
            }
            self.literal(bytes, span, at..at + length, place)?;
            at += length;
        }
        Ok(())
    }

    /// Whether the name behind a tilde ends before `=~`: in bash only until a tilde has stood in an assignment.
    fn signs_end_names(&mut self) -> bool {
        let state = self.cx.state();
        state.dialect.sign_and_tilde_end_names && !state.tilde_was_assigned
    }

    /// Appends a stretch of a literal.
    fn literal(
        &mut self,
        bytes: &[u8],
        span: Span,
        stretch: Range<usize>,
        place: Place,
    ) -> Result<(), Stop> {
        if stretch.is_empty() {
            return Ok(());
        }
        let span = within(span, bytes, stretch.clone());
        self.push(&bytes[stretch], place.literal, &Origin::new(Rule::Literal, span))
    }

    /// Pushes the home directory that the tilde at the start of `bytes` stands for, and answers how
    /// many bytes that used: none if it is no tilde-prefix.
    ///
    /// A prefix that is followed by a quoted or expanded part is none.
    fn tilde_prefix(
        &mut self,
        bytes: &[u8],
        span: Span,
        last: bool,
        colon_ends: bool,
    ) -> Result<usize, Stop> {
        let ends = |byte: &u8| *byte == b'/' || (colon_ends && *byte == b':');
        let mut end = bytes.iter().position(ends).unwrap_or(bytes.len());
        if end == bytes.len() && !last {
            return Ok(0);
        }
        if self.signs_end_names() {
            end = bytes[..end].find(b"=~").unwrap_or(end);
        }
        let user = &bytes[1..end];
        let tilde = Span { end: span.start + end as u32, ..span };
        let hop = Hop { rule: Rule::Tilde, span: tilde, name: None, shifted: 0 };
        let variable: Option<&[u8]> = match user {
            b"" => Some(b"HOME"),
            b"+" if self.cx.state().dialect.tilde_folders => Some(b"PWD"),
            b"-" if self.cx.state().dialect.tilde_folders => Some(b"OLDPWD"),
            _ => None,
        };
        let home = match variable {
            Some(name) => self.cx.state().variables.scalar(name).cloned(),
            None => numbered_folder(self.cx.state(), user)
                .or_else(|| self.cx.state().named_folders.get(user).cloned()),
        };
        if let Some(home) = home {
            let home = self.before_slash(home, bytes.get(end) == Some(&b'/'));
            let text = home.passed_through(&hop, Standing::Quoted);
            if text.is_empty() && self.cx.state().dialect.empty_home_is_a_field {
                self.push(b"", Standing::Quoted, &Origin::from_hop(hop))?;
            }
            self.push_text(&text)?;
            return Ok(end);
        }
        let found = match (variable, user) {
            (Some(b"HOME"), _) if !self.cx.state().dialect.tilde_asks_users => None,
            (Some(b"HOME"), _) => self.cx.host().home(b"").map(|home| home.to_vec()),
            (Some(_), _) => None,
            (None, user) => self.cx.host().home(user),
        };
        let Some(home) = found else {
            let cuts = !user.is_empty() && matches!(bytes.get(end), Some(b'/' | b':'));
            if !cuts || !self.cx.state().dialect.unknown_user_cuts_word {
                return Ok(0);
            }
            self.cut = true;
            self.push(&bytes[..end], Standing::Plain, &Origin::new(Rule::Literal, tilde))?;
            return Ok(bytes.len());
        };
        self.push(&home, Standing::Quoted, &Origin::from_hop(hop))?;
        Ok(end)
    }
}

impl Substitution<'_> {
    /// The home directory as it stands before the rest of the word.
    fn before_slash(&mut self, home: Text, slash: bool) -> Text {
        let bytes = home.bytes();
        let length = match self.cx.state().dialect.home_slash {
            HomeSlash::Stays => bytes.len(),
            HomeSlash::RootVanishes if slash && bytes == b"/" => 0,
            HomeSlash::RootVanishes => bytes.len(),
            // Two slashes alone may be a folder of their own (POSIX XBD 4.13).
            HomeSlash::Vanishes if bytes == b"//" => 2,
            HomeSlash::Vanishes => {
                let end = bytes.iter().rposition(|&byte| byte != b'/').map_or(0, |at| at + 1);
                end.max(bytes.len().min(1))
            }
        };
        if length < home.len() { home.slice(0, length) } else { home }
    }

    /// A word that begins with a tilde, where what is expanded behind it gives the name of the user:
    /// all up to the first slash that is written. Answers how many parts that used.
    fn named_by_expansion(&mut self, parts: &[Part], place: Place) -> Result<usize, Stop> {
        let colon = self.cx.state().dialect.colon_ends_tilde;
        let ends = |byte: &u8| *byte == b'/' || (colon && *byte == b':');
        let has_end =
            |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.iter().any(ends));
        let used = parts.iter().skip(1).position(has_end).map_or(parts.len(), |at| at + 2);
        let plain = Place { tilde: Tilde::Never, ..place };
        let fields = self.fields_done();
        let start = self.current_len();
        parts[..used].iter().try_for_each(|part| self.part(part, plain))?;
        let span = parts[0].span().to(parts[used - 1].span());
        let several = self.fields_done() > fields;
        let whole = std::mem::take(self.field_made(fields));
        *self.field_made(fields) = self.resolved_tilde(whole, start, several, span);
        Ok(used)
    }

    /// A field with the home directory in the place of the tilde-prefix that has been expanded from `start`
    /// on. The first of `several` fields has one only if its end is written.
    fn resolved_tilde(&mut self, whole: Text, start: usize, several: bool, span: Span) -> Text {
        let prefix = whole.slice(start, whole.len());
        let colon = self.cx.state().dialect.colon_ends_tilde;
        // A slash that the author wrote ends the name, even between quotes.
        let mut written = |at: &usize| {
            let run = prefix.runs().find(|(run, _)| run.end as usize > *at);
            let mut escaped = |span| self.cx.state().sources.bytes(span).first() == Some(&b'\\');
            run.is_some_and(|(run, _)| {
                !run.origin.rule().is_expansion() && !escaped(run.origin.span())
            })
        };
        let slash = prefix.bytes().iter().position(|&byte| byte == b'/' || (colon && byte == b':'));
        let slash = slash.filter(|at| written(at));
        if several && slash.is_none() {
            return whole;
        }
        let end = slash.unwrap_or(prefix.len());
        let user = prefix.bytes()[1..end].to_vec();
        let hop = Hop { rule: Rule::Tilde, span, name: None, shifted: 0 };
        let home = match user.is_empty() {
            true => self.cx.state().variables.scalar(b"HOME").cloned(),
            false if user.contains(&b'/') => None,
            false => {
                let home = self.cx.host().home(&user);
                home.map(|home| {
                    Text::from_bytes(home, Standing::Quoted, Origin::from_hop(hop.clone()))
                })
            }
        };
        let Some(home) = home else { return whole };
        let mut made = whole.slice(0, start);
        made.push_text(&home.passed_through(&hop, Standing::Quoted));
        made.push_text(&prefix.slice(end, prefix.len()));
        made
    }
}

fn begins_with_tilde(part: &Part) -> bool {
    matches!(part, Part::Literal { bytes, .. } if bytes[0] == b'~')
}

fn has_equals(part: &Part) -> bool {
    matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'='))
}

/// Where a stretch of a literal is written. One that stands in several pieces (braces made it, or a line
/// goes on inside it) is told as a whole.
fn within(span: Span, bytes: &[u8], stretch: Range<usize>) -> Span {
    if span.len() != bytes.len() {
        return span;
    }
    let at = |offset: usize| span.start + offset as u32;
    Span { start: at(stretch.start), end: at(stretch.end), ..span }
}

/// The parts of an assignment's value, a list for each stretch up to and with a written colon.
fn between_colons(parts: &[Part]) -> Vec<Vec<Part>> {
    let mut stretches = vec![Vec::new()];
    for part in parts {
        let Part::Literal { bytes, span } = part else {
            stretches.last_mut().into_iter().for_each(|last| last.push(part.clone()));
            continue;
        };
        let mut at = 0;
        for piece in bytes.split_inclusive(|&byte| byte == b':') {
            let span = within(*span, bytes, at..at + piece.len());
            at += piece.len();
            let literal = Part::Literal { bytes: piece.into(), span };
            stretches.last_mut().into_iter().for_each(|last| last.push(literal.clone()));
            if piece.ends_with(b":") {
                stretches.push(Vec::new());
            }
        }
    }
    stretches.retain(|stretch| !stretch.is_empty());
    stretches
}

/// Where the value of a literal that looks like `name=`, `name+=` or `name[...]=` begins.
fn assignment_head(bytes: &[u8]) -> Option<usize> {
    let equals = bytes.iter().position(|&byte| byte == b'=')?;
    let target = bytes[..equals].strip_suffix(b"+").unwrap_or(&bytes[..equals]);
    let name = match target.iter().position(|&byte| byte == b'[') {
        Some(bracket) if target.ends_with(b"]") => &target[..bracket],
        _ => target,
    };
    is_name(name).then_some(equals + 1)
}

/// A finished field with its tilde expanded, and `=name` as the path of a program; in the value of
/// an assignment behind colons too.
///
/// # Errors
/// A user or a program that does not exist.
pub(super) fn in_field(
    cx: &mut dyn Context,
    field: Text,
    span: Span,
    tilde: Tilde,
) -> Result<Text, Stop> {
    let value = match tilde {
        Tilde::AfterAssignment => {
            let equals = field.bytes().iter().skip(1).position(|&b| b == b'=');
            equals.map_or(0, |at| at + 2)
        }
        _ => 0,
    };
    let assignment = tilde == Tilde::AfterColons || value > 0;
    let written = |at: usize, byte: u8| {
        field.bytes().get(at) == Some(&byte)
            && matches!(standing_at(&field, at), Standing::Plain | Standing::Value)
    };

    let mut made = Text::new();
    let (mut from, mut at) = (0, 0);
    while at < field.len() {
        let behind_colon = assignment && at > value && field.bytes()[at - 1] == b':';
        let starts = at == value || at == 0 || behind_colon;
        let names_programs =
            cx.state().dialect.equals_names_programs && tilde != Tilde::InOperation;
        if starts && written(at, b'=') && names_programs {
            let rest = &field.bytes()[at + 1..];
            let ends = |byte: &u8| assignment && *byte == b':';
            let length = rest.iter().position(ends).unwrap_or(rest.len());
            if !rest.is_empty() {
                made.push_text(&field.slice(from, at));
                made.push_text(&program(cx, &rest[..length], span)?);
                from = at + 1 + length;
                at = from;
                continue;
            }
        }
        if starts && written(at, b'~') {
            let is_named = written(at + 1, b'[') && field.bytes()[at + 2..].contains(&b']');
            if is_named && cx.state().dialect.unknown_user_is_error {
                return Err(Stop::shell("no folder has a name of this kind", span, 1));
            }
            let rest = &field.bytes()[at + 1..];
            let ends = |byte: &u8| *byte == b'/' || (assignment && *byte == b':');
            let length = rest.iter().position(ends).unwrap_or(rest.len());
            if let Some(home) = home_of(cx, &rest[..length], span)? {
                made.push_text(&field.slice(from, at));
                made.push_text(&home);
                from = at + 1 + length;
                at = from;
                continue;
            }
        }
        at += 1;
    }
    match from {
        0 => Ok(field),
        from => {
            made.push_text(&field.slice(from, field.len()));
            Ok(made)
        }
    }
}

fn standing_at(text: &Text, at: usize) -> Standing {
    let run = text.runs().find(|(run, _)| (run.end as usize) > at);
    run.map_or(Standing::Quoted, |(run, _)| run.standing)
}

/// The folder that `~1` or `~-0` stands for: one of the stack of `pushd`.
fn numbered_folder(state: &State, user: &[u8]) -> Option<Text> {
    let turned = state.option_is_on(b"pushdminus") == Some(true);
    let (from_end, digits) = match user {
        [b'+', digits @ ..] => (turned, digits),
        [b'-', digits @ ..] => (!turned, digits),
        digits => (false, digits),
    };
    if !state.dialect.tilde_numbers || digits.is_empty() {
        return None;
    }
    let number: usize = std::str::from_utf8(digits).ok()?.parse().ok()?;
    let last = state.put_aside.len();
    match if from_end { last.checked_sub(number)? } else { number } {
        0 => state.variables.scalar(b"PWD").cloned(),
        number => state.put_aside.get(number - 1).cloned(),
    }
}

/// The folder that `hash -d` has given a name, or that is the value of a variable of that name (zsh 5.9, "Static
/// named directories").
fn named_folder(state: &State, name: &[u8]) -> Option<Text> {
    if !state.dialect.folders_have_names || name.is_empty() {
        return None;
    }
    let value = || state.variables.scalar(name).filter(|text| text.bytes().starts_with(b"/"));
    state.named_folders.get(name).or_else(value).cloned()
}

/// The folder that a tilde with this name stands for; `None` where the name is none.
fn home_of(cx: &mut dyn Context, name: &[u8], span: Span) -> Result<Option<Text>, Stop> {
    let hop = Hop { rule: Rule::Tilde, span, name: None, shifted: 0 };
    let passed = |text: &Text| text.passed_through(&hop, Standing::Quoted);
    let state = cx.state();
    let known = match name {
        b"" => Some(state.variables.scalar(b"HOME").map(passed).unwrap_or_default()),
        b"+" => Some(passed(&state.entered)),
        b"-" => Some(passed(&state.left)),
        name => {
            numbered_folder(state, name).or_else(|| named_folder(state, name)).as_ref().map(passed)
        }
    };
    if known.is_some() {
        return Ok(known);
    }
    if let [b'+' | b'-', digits @ ..] = name
        && cx.state().dialect.unknown_user_is_error
        && digits.iter().all(u8::is_ascii_digit)
    {
        return Err(Stop::shell("the stack of folders is not as high", span, 1));
    }
    let is_word = |byte: &u8| {
        byte.is_ascii_alphanumeric() || *byte >= 0x80 || matches!(byte, b'_' | b'.' | b'-')
    };
    if !name.iter().all(is_word) {
        return Ok(None);
    }
    match cx.host().home(name) {
        Some(home) => Ok(Some(Text::from_bytes(home, Standing::Quoted, Origin::from_hop(hop)))),
        None if !cx.state().dialect.unknown_user_is_error => Ok(None),
        None => {
            let shown = String::from_utf8_lossy(name).into_owned();
            Err(Stop::shell(format!("there is no user {shown}"), span, 1))
        }
    }
}

/// The path of the program of this name, as a search of PATH finds it.
pub(super) fn program_path(cx: &mut dyn Context, name: &[u8]) -> Option<Vec<u8>> {
    if name.is_empty() || name.contains(&b'/') {
        return None;
    }
    let path = cx.state().search_path().unwrap_or_default().into_owned();
    let host = cx.host();
    let runs = |path: &Vec<u8>| {
        let status = host.status(path, true);
        status.is_some_and(|one| one.access[2] && one.kind != FileKind::Folder)
    };
    let places = path.split(|&byte| byte == b':');
    places.map(|folder| [folder, b"/", name].concat()).find(runs)
}

/// The path of the program that `=name` stands for.
fn program(cx: &mut dyn Context, name: &[u8], span: Span) -> Result<Text, Stop> {
    let Some(path) = program_path(cx, name) else {
        let shown = String::from_utf8_lossy(name).into_owned();
        return Err(Stop::shell(format!("there is no program {shown}"), span, 1));
    };
    Ok(Text::from_bytes(path, Standing::Quoted, Origin::new(Rule::Tilde, span)))
}
