//! What begins with `$` or a backquote: parameters, substitutions, arithmetic, `$'..'`, `$".."`.

use std::rc::Rc;

use crate::dialect::{Controls, DollarContinuations, ReadLate, SplitEnd};
use crate::syntax::alias::Aliases;
use crate::syntax::ansi_c;
use crate::syntax::ast::{CommandSubstitution, Operation, Parameter, ParameterName, Part};
use crate::syntax::ast::{List, ProcessSubstitution, ProcessWay, SubstitutionPlace};
use crate::syntax::counted::Counted;
use crate::syntax::cursor::{Parsed, Parser, Segment, is_name_byte};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::lists_in_substitutions::SubstitutionIn;
use crate::syntax::within::Within;

impl<'a> Parser<'a> {
    /// What begins with `$`. `None` with the place unchanged: the `$` is literal.
    pub(super) fn dollar(&mut self, within: Within) -> Parsed<Option<Part>> {
        let start = self.pos;
        let mut next = self.over_continuations(start + 1);
        if self.in_inner_quotes && self.dialect.inner_quotes_vanish {
            next += usize::from(self.at_idle_backslash(next));
        }
        let (quoted, at_brace) = (within.is_quoted(), self.text.get(next) == Some(&b'{'));
        let at = match self.dialect.dollars_take_continuations {
            DollarContinuations::Braces if quoted || !at_brace => start + 1,
            DollarContinuations::Names
                if quoted && (at_brace || self.text.get(next) == Some(&b'(')) =>
            {
                start + 1
            }
            _ => next,
        };
        let Some(&next) = self.text.get(at) else { return Ok(None) };
        let unquoted = !within.is_quoted();
        match next {
            b'{' => {
                self.pos = at;
                self.deeper(|parser| parser.braced_parameter(start, within)).map(Some)
            }
            b'(' => {
                self.pos = at;
                self.deeper(|parser| parser.dollar_parenthesis(start)).map(Some)
            }
            b'[' if self.dialect.dollar_brackets => {
                self.pos = at + 1;
                let expression = self.deeper(|parser| parser.arithmetic(Within::Brackets))?;
                if self.raw() != Some(b']') {
                    return Err(self.unclosed(start, 2, "$[", "]"));
                }
                self.pos += 1;
                Ok(Some(Part::Arithmetic { expression, span: self.span(start, self.pos) }))
            }
            b'\''
                if self.dialect.dollar_single_quotes
                    && (unquoted
                        || (within == Within::BraceQuoted
                            && self.dialect.dollar_quotes_in_quoted_brace)) =>
            {
                self.pos = at;
                self.ansi_c_quoted(start).map(Some)
            }
            b'"' if unquoted && self.dialect.dollar_double_quotes => {
                self.pos = at;
                self.double_quoted(start).map(Some)
            }
            _ => {
                if self.dialect.unbraced_operations {
                    self.pos = at;
                    if let Some(part) = self.unbraced_flagged(start, within)? {
                        return Ok(Some(part));
                    }
                    self.pos = start;
                }
                Ok(self.plain_parameter(start, at, next))
            }
        }
    }

    /// Whether a backslash stands here that means nothing between double quotes.
    fn at_idle_backslash(&self, at: usize) -> bool {
        let behind = self.text.get(at + 1).is_some_and(|byte| !b"$`\"\\\n".contains(byte));
        self.text.get(at) == Some(&b'\\') && behind
    }

    /// `$name`, `$1`, `$@`.
    fn plain_parameter(&mut self, start: usize, at: usize, next: u8) -> Option<Part> {
        let name = match next {
            b'0'..=b'9' => {
                self.pos = at + 1;
                let mut number = usize::from(next - b'0');
                while self.dialect.unbraced_digits
                    && let Some(digit @ b'0'..=b'9') = self.peek()
                {
                    number = number.saturating_mul(10).saturating_add(usize::from(digit - b'0'));
                    self.pos = self.over_continuations(self.pos) + 1;
                }
                ParameterName::Positional(number)
            }
            b'@' | b'*' | b'#' | b'?' | b'-' | b'$' | b'!' => {
                self.pos = at + 1;
                ParameterName::Special(next)
            }
            byte if self.begins_name(byte) => {
                self.pos = at;
                self.named()
            }
            _ => return None,
        };
        let span = self.span(start, self.pos);
        let operation = Operation::Value;
        Some(Part::Parameter(Box::new(Parameter {
            name,
            index: None,
            operation,
            braced: false,
            runs_on: false,
            span,
        })))
    }

    /// The parameter or variable whose name stands here.
    pub(super) fn named(&mut self) -> ParameterName {
        let name = self.name_bytes();
        match self.dialect.parameters_are_variables && &*name == b"argv" {
            true => ParameterName::Special(b'*'),
            false => ParameterName::Variable(name),
        }
    }

    /// The longest name at this place; continuations inside it do not count.
    pub(super) fn name_bytes(&mut self) -> Rc<[u8]> {
        let start = self.pos;
        while self.raw().is_some_and(|byte| is_name_byte(byte) || self.begins_name(byte)) {
            self.pos += 1;
        }
        if self.over_nothing(self.pos) == self.pos {
            return self.text[start..self.pos].into();
        }
        let mut name = self.text[start..self.pos].to_vec();
        while let at = self.over_nothing(self.pos)
            && self.text.get(at).is_some_and(|&byte| is_name_byte(byte) || self.begins_name(byte))
        {
            if let Some(vanishing) = &mut self.vanishing {
                let quotes = self.text[self.pos..at].iter().filter(|byte| **byte == b'"').count();
                (0..quotes).for_each(|_| vanishing.passes_quote(self.pos));
            }
            name.push(self.text[at]);
            self.pos = at + 1;
        }
        name.into()
    }

    /// Behind what does not count in a name: continuations, and quotes that vanish.
    fn over_nothing(&self, at: usize) -> usize {
        let mut at = self.over_continuations(at);
        while self.vanishing.is_some() && self.text.get(at) == Some(&b'"') {
            at = self.over_continuations(at + 1);
        }
        at
    }

    fn ansi_c_quoted(&mut self, start: usize) -> Parsed<Part> {
        let body = self.pos + 1;
        let mut at = body;
        let cleared = self.dialect.dollar_escapes.controls == Controls::ClearedBits;
        while let Some(&byte) = self.text.get(at) {
            match byte {
                b'\'' => {
                    let bytes =
                        ansi_c::decode(&self.text[body..at], self.dialect.dollar_escapes).into();
                    self.pos = at + 1;
                    return Ok(Part::AnsiC { bytes, span: self.span(start, self.pos) });
                }
                // Where control escapes clear bits, they take any character, also the quote.
                b'\\' if cleared && self.text.get(at + 1) == Some(&b'c') => at += 3,
                b'\\' => at += 2,
                _ => at += 1,
            }
        }
        Err(self.unclosed(start, 2, "$'", "'"))
    }

    /// How long the `$(...)` or `$((...))` is that the text begins with, if it closes.
    pub(crate) fn substitution_length(&mut self) -> Option<usize> {
        self.pos = 1;
        match self.dollar_parenthesis(0) {
            Ok(_) => Some(self.pos),
            Err(_) => self.parentheses_end(1),
        }
    }

    /// `$((...))` if it closes as one, else `$(...)`. Stands at the first parenthesis.
    pub(super) fn dollar_parenthesis(&mut self, start: usize) -> Parsed<Part> {
        let open = self.pos;
        let doubled = self.peek_ahead(1) == Some(b'(');
        let mut end = None;
        if doubled && !self.not_arithmetic.contains(&open) {
            let waiting = self.pending.len();
            self.advance(2);
            let inside = self.pos;
            let expression = self.whole_arithmetic(false);
            let behind = self.pos;
            let counted = self.counted_end(open, expression.is_ok());
            if let Counted::Cut(end) = counted {
                let expression = self.cut_expression(inside, end);
                return Ok(Part::Arithmetic { expression, span: self.span(start, self.pos) });
            }
            if let Ok(expression) = expression
                && self.eat(b")")
                && !(self.dialect.split_end == SplitEnd::Commands && self.raw() == Some(b'\\'))
                && self.eat(b")")
            {
                if counted != Counted::Elsewhere
                    && self.is_balanced_when_printed(inside, behind)
                    && self.brackets_pair(inside, behind)
                {
                    self.check_brackets(&expression)?;
                    return Ok(Part::Arithmetic { expression, span: self.span(start, self.pos) });
                }
                end = Some(self.pos);
            }
            let unfinished = self.at_end();
            self.pending.truncate(waiting);
            self.pos = open;
            self.not_arithmetic.insert(open);
            if unfinished && self.dialect.arithmetic_is_final {
                return Err(self.unclosed(start, 3, "$((", "))"));
            }
        }
        self.pos = open + 1;
        let waiting = self.pending.len();
        let known = self.aliases_set_aside(start);
        // The words of the commands have ends of their own.
        let outer_quote = self.outer_quote.take();
        let around = (outer_quote, self.whole_text.take(), self.substitution_in);
        self.substitution_in = match outer_quote {
            Some(_) => SubstitutionIn::Quotes,
            None => SubstitutionIn::Words,
        };
        let read = self.list_in_parentheses(start, 2, "$(");
        (self.outer_quote, self.whole_text, self.substitution_in) = around;
        self.set_aliases(known.or_else(|| self.aliases.known.clone()));
        let by_parentheses = doubled && self.dialect.doubled_parentheses_are_counted;
        let end = end.or_else(|| by_parentheses.then(|| self.parentheses_end(open)).flatten());
        let read = match read {
            Ok(_) if end.is_some_and(|end| end != self.pos) => self.unexpected("a command or )"),
            read => read,
        };
        let (list, broken) = match read {
            Err(error) if (by_parentheses || self.is_found_late(open)) && !error.is_limit() => {
                let Some(end) = end.or_else(|| self.parentheses_end(open)) else {
                    return Err(error);
                };
                self.pending.truncate(waiting);
                self.pos = end;
                (List { items: Vec::new() }, Some(Rc::new(error)))
            }
            read => (read?, None),
        };
        Ok(Part::Command(Box::new(CommandSubstitution {
            list: Rc::new(list),
            place: SubstitutionPlace::Subshell,
            span: self.span(start, self.pos),
            broken,
            as_written: self.is_as_written(start, self.pos),
            lines_count_as_written: self.in_document,
        })))
    }

    /// Whether the brackets of an expression are in pairs, quoted or not, where that makes it one.
    pub(super) fn brackets_pair(&self, start: usize, end: usize) -> bool {
        if !self.dialect.expressions_pair_brackets {
            return true;
        }
        let (mut open, mut at) = (0usize, start);
        while at < end {
            let behind = match (self.text[at], self.text.get(at + 1)) {
                (b'[', _) => {
                    open += 1;
                    None
                }
                (b']', _) if open == 0 => return false,
                (b']', _) => {
                    open -= 1;
                    None
                }
                (b'$', Some(b'(')) => self.parentheses_end(at + 1).map(|end| end - 1),
                (b'$', Some(b'{')) => self.braces_end(at + 1, 0),
                (b'`', _) => self.quotes_end(at),
                _ => None,
            };
            at = behind.unwrap_or(at) + 1;
        }
        open == 0
    }

    /// Whether the parentheses of an expression are in pairs outside of quotes when the shell has printed the
    /// commands in it anew, which leaves away what stands before the patterns of `case`.
    fn is_balanced_when_printed(&self, start: usize, end: usize) -> bool {
        if !self.dialect.doubled_parentheses_are_counted {
            return true;
        }
        let mut open = 0usize;
        let mut at = start;
        while at < end {
            match self.text[at] {
                b'(' if self.left_away.binary_search(&at).is_err() => open += 1,
                b')' if open == 0 => return false,
                b')' => open -= 1,
                b'\\' => at += 1,
                b'\'' | b'"' => at = self.quotes_end(at).unwrap_or(end),
                _ => {}
            }
            at += 1;
        }
        open == 0
    }

    /// The aliases, which do not count in a substitution whose commands are read anew when it is carried out.
    fn aliases_set_aside(&mut self, start: usize) -> Option<Rc<Aliases>> {
        let aside =
            self.dialect.substitutions_read_without_aliases && self.is_as_written(start, self.pos);
        if aside { self.aliases.known.take() } else { None }
    }

    /// Whether the mistake that the parser has just met in the parentheses at `open` is one of the grammar,
    /// which the shell does not look for before it carries the commands out.
    fn is_found_late(&self, open: usize) -> bool {
        let before = self.text.get(open..self.pos).unwrap_or_default();
        let here = self.text.get(self.pos..).unwrap_or_default();
        self.dialect.parentheses_read_late && !before.ends_with(b"${") && !here.starts_with(b";;")
    }

    /// The commands up to the `)` that closes the opener at `start`.
    pub(super) fn list_in_parentheses(
        &mut self,
        start: usize,
        length: usize,
        opener: &'static str,
    ) -> Parsed<List> {
        let outer = std::mem::take(&mut self.in_assignment);
        let document = std::mem::take(&mut self.in_document);
        let quotes = std::mem::take(&mut self.in_inner_quotes);
        let (parentheses, in_time) = (self.parentheses, self.in_time);
        self.parentheses.0 += 1;
        let substituted = opener != "(";
        self.parentheses.1 += u32::from(substituted);
        self.in_time &= !substituted;
        // The bodies of here-documents from before a substitution come behind the whole of it.
        let waiting = if substituted { std::mem::take(&mut self.pending) } else { Vec::new() };
        let list = match substituted {
            true => self
                .strict_list()
                .and_then(|list| self.left_open(waiting.is_empty()).map(|()| list)),
            false => self.compound_list(),
        };
        self.pending.splice(0..0, waiting);
        (self.parentheses, self.in_time) = (parentheses, in_time);
        (self.in_assignment, self.in_document) = (outer, document);
        self.in_inner_quotes = quotes;
        let closed = list.and_then(|list| match self.peek() {
            Some(b')') => {
                self.pos += 1;
                Ok(list)
            }
            None => Err(self.unclosed(start, length, opener, ")")),
            Some(_) => self.unexpected("a command or )"),
        });
        let ends_shell = substituted && self.dialect.inner_syntax_ends_shells;
        closed.map_err(|error| {
            let is_token = matches!(error.kind, SyntaxErrorKind::Unexpected { .. });
            SyntaxError { ends_shell: error.ends_shell || (ends_shell && is_token), ..error }
        })
    }

    pub(super) fn process_substitution(&mut self) -> Parsed<Part> {
        let start = self.pos;
        let (opener, way) = match self.raw() {
            Some(b'>') => (">(", ProcessWay::Reads),
            Some(b'=') => ("=(", ProcessWay::WritesFile),
            _ => ("<(", ProcessWay::Writes),
        };
        self.pos += 2;
        let around = std::mem::replace(&mut self.substitution_in, SubstitutionIn::Words);
        let list = self.deeper(|parser| parser.list_in_parentheses(start, 2, opener));
        self.substitution_in = around;
        let list = list?;
        let (list, span) = (Rc::new(list), self.span(start, self.pos));
        Ok(Part::Process(Box::new(ProcessSubstitution { list, way, span })))
    }

    /// `` `...` ``: backslashes before `$`, a backquote and a backslash (and, between double quotes,
    /// before `"`) are taken away before the text is read (POSIX XCU 2.6.3).
    pub(super) fn backquoted(&mut self, in_double_quotes: bool) -> Parsed<Part> {
        let start = self.pos;
        let mut at = start + 1;
        let mut text = Vec::new();
        let mut segments = vec![self.segment_at(at, 0)];
        loop {
            let Some(&byte) = self.text.get(at) else {
                return Err(self.unclosed(start, 1, "`", "`"));
            };
            if let Some(segment) = self.segment_from(at) {
                segments.push(Segment { at: text.len(), ..segment });
            }
            match byte {
                b'`' => break,
                b'\n' if self.dialect.newlines_end_quotes => {
                    return Err(self.unclosed(start, 1, "`", "`"));
                }
                b'\\' => {
                    let next = self.text.get(at + 1).copied();
                    if next == Some(b'\n') {
                        // A line that goes on is joined before anything inside is read.
                        at += 2;
                        segments.push(self.segment_at(at, text.len()));
                        continue;
                    }
                    let taken = match next {
                        Some(b'$' | b'`' | b'\\') => true,
                        Some(b'"') => in_double_quotes,
                        _ => false,
                    };
                    if taken {
                        at += 1;
                        segments.push(self.segment_at(at, text.len()));
                    } else {
                        text.push(byte);
                        at += 1;
                    }
                    if let Some(&next) = self.text.get(at) {
                        text.push(next);
                        at += 1;
                    }
                }
                _ => {
                    text.push(byte);
                    at += 1;
                }
            }
        }
        let as_written = segments.len() == 1 && self.is_as_written(start, at + 1);
        let (list, broken) = self.parse_backquoted(text, segments)?;
        self.pos = at + 1;
        Ok(Part::Command(Box::new(CommandSubstitution {
            list: Rc::new(list),
            place: SubstitutionPlace::Subshell,
            span: self.span(start, self.pos),
            broken: broken.map(Rc::new),
            as_written,
            lines_count_as_written: true,
        })))
    }

    /// The stretch that begins at a place, if it is not the first.
    fn segment_from(&self, at: usize) -> Option<Segment> {
        let others = &self.segments[1..];
        let found = others.binary_search_by_key(&at, |segment| segment.at).ok()?;
        Some(others[found])
    }

    pub(super) fn segment_at(&self, at: usize, in_text: usize) -> Segment {
        Segment::written(in_text, self.span(at, at))
    }

    /// The commands of a backquoted text, and what is wrong behind them where that is found later.
    fn parse_backquoted(
        &mut self,
        text: Vec<u8>,
        segments: Vec<Segment>,
    ) -> Parsed<(List, Option<SyntaxError>)> {
        let late = self.dialect.backquotes_read_late;
        self.deeper(|outer| {
            let mut inner = outer.inner(text.clone(), segments.clone());
            let list = inner.compound_list().and_then(|list| {
                if inner.at_end() || late == ReadLate::Rest {
                    return Ok(list);
                }
                inner.unexpected("a command")
            });
            let read = list.and_then(|list| inner.documents_at_end().map(|()| list));
            match (read, late) {
                (Ok(list), _) => Ok((list, None)),
                (Err(error), ReadLate::No | ReadLate::Rest) => Err(error),
                (Err(error), _) if error.is_limit() => Err(error),
                // Whole lines before the mistake are carried out.
                (Err(_), _) => Ok(outer.inner(text, segments).commands_before_mistake()),
            }
        })
    }

    /// The commands of the lines that can be read, and what is wrong behind them.
    fn commands_before_mistake(&mut self) -> (List, Option<SyntaxError>) {
        let mut items = Vec::new();
        loop {
            match self.next_commands() {
                Ok(Some(list)) => items.extend(list.items),
                Ok(None) => return (List { items }, None),
                Err(error) => return (List { items }, Some(error)),
            }
        }
    }
}
