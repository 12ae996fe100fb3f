//! Assignments: `name=value`, `name[index]+=value`, `name=(...)`.

use crate::dialect::{AliasesBehindBlank, CommandBrackets, Dialect, Keywords, ListsApart};
use crate::source::{Sources, Span};
use crate::syntax::ast::{
    Argument, Arithmetic, AssignedValue, Assignment, Element, Part, SimpleCommand, Slice, Word,
};
use crate::syntax::cursor::{Parsed, Parser, is_meta, is_name_byte};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::members::Indexed;
use crate::syntax::within::Within;

/// The assignment that a word of a source is when it is read as one, if it is.
pub(crate) fn assignment_of(
    sources: &Sources,
    word: Span,
    dialect: &Dialect,
) -> Option<Assignment> {
    let mut parser = Parser::new(sources.bytes(word), word.source, dialect);
    parser.begins_at(word.start as usize);
    parser.assignment_value()?;
    let assignment = parser.assignment(true).ok()?;
    (parser.pos == word.len()).then_some(assignment)
}

/// How many substitutions in quotes inside each other are looked through for the end of an index.
const MAX_NESTED: u32 = 200;

impl Parser<'_> {
    /// Whether `name=`, `name+=` or `name[...]=` stands here where the grammar takes it for an
    /// assignment: before the command name, or as `name=(...)` after a declaration utility.
    pub(super) fn at_assignment(&mut self, command: &SimpleCommand) -> bool {
        match command.words.first() {
            None => self.assignment_value().is_some(),
            Some(_) if self.counts_behind(command) => self.assignment_value().is_some(),
            Some(first) => {
                self.dialect.arrays
                    && (self.is_declaration(first) || self.takes_list_texts(first))
                    && self.assignment_value().is_some_and(|at| {
                        self.text.get(self.over_blanks_before_list(at, false)) == Some(&b'(')
                    })
            }
        }
    }

    /// Whether an assignment behind these words is one of the command: under `set -k` all are, in some shells
    /// but those of declaration utilities.
    pub(super) fn counts_behind(&self, command: &SimpleCommand) -> bool {
        let everywhere = self.dialect.keywords == Keywords::ReadEverywhere;
        let keyword = |first| self.keywords && (everywhere || !self.is_declaration(first));
        command.words.first().is_none_or(keyword)
    }

    /// Whether an assignment stands here behind a declaration utility that is a reserved word.
    pub(super) fn at_declared(&mut self, command: &SimpleCommand) -> bool {
        self.dialect.declarations_are_keywords
            && command.words.first().is_some_and(|first| self.is_declaration(first))
            && self.assignment_value().is_some()
    }

    /// Whether the utility treats its `name=value` arguments as assignments.
    fn is_declaration(&self, name: &Argument) -> bool {
        let Argument::Word(word) = name else { return false };
        word.literal().is_some_and(|name| self.dialect.is_declaration(name))
    }

    /// Whether the utility gets `name=(...)` as a text.
    fn takes_list_texts(&self, name: &Argument) -> bool {
        let Argument::Word(word) = name else { return false };
        let named = |utility: &&str| word.literal() == Some(utility.as_bytes());
        self.dialect.list_text_utilities.iter().any(named)
    }

    /// The place of the value of an assignment, if one stands here.
    pub(super) fn assignment_value(&mut self) -> Option<usize> {
        let first = self.peek()?;
        let numbered = first.is_ascii_digit() && self.dialect.parameters_are_variables;
        let of_shell = first == b'.' && self.behind_members(self.pos) > self.pos;
        if !numbered && !of_shell && !self.begins_name(first) {
            return None;
        }
        let mut at = self.pos;
        while self.text.get(at).is_some_and(|&byte| is_name_byte(byte) || self.begins_name(byte)) {
            at = self.over_continuations(at + 1);
        }
        if numbered && !self.text[self.pos..at].iter().all(u8::is_ascii_digit) {
            return None;
        }
        at = self.behind_members(at);
        while self.dialect.arrays && self.text.get(at) == Some(&b'[') {
            let end = self.brackets_end(at).filter(|&end| self.may_be_index(at, end))?;
            at = self.over_continuations(end);
            if !self.dialect.compound_variables {
                break;
            }
            at = self.behind_members(at);
        }
        let append = self.dialect.append_assignment && self.text.get(at) == Some(&b'+');
        let equals = if append { self.over_continuations(at + 1) } else { at };
        (self.text.get(equals) == Some(&b'=')).then(|| self.over_continuations(equals + 1))
    }

    /// The place behind the `]` that closes the `[` at `at`, if it closes on this line.
    fn brackets_end(&self, mut at: usize) -> Option<usize> {
        let mut open = 0u32;
        loop {
            match *self.text.get(at)? {
                b'[' => open += 1,
                b']' => open -= 1,
                b'\\' => at += 1,
                b'$' if self.text.get(at + 1) == Some(&b'(') => {
                    at = self.parentheses_end(at + 1)?;
                    continue;
                }
                b'$' if self.dialect.command_brackets == CommandBrackets::Word
                    && self.text.get(at + 1) == Some(&b'{') =>
                {
                    at = self.braces_end(at + 1, 0)?;
                }
                b'\n' | b';' if self.dialect.command_brackets == CommandBrackets::Text => {
                    return None;
                }
                b'\'' | b'"' => at = self.quotes_end(at)?,
                b'#' if matches!(self.text[at - 1], b'(' | b';' | b' ' | b'\t' | b'\n') => {
                    at += self.text[at..].iter().position(|&byte| byte == b'\n')?;
                }
                _ => {}
            }
            at += 1;
            if open == 0 {
                return Some(at);
            }
        }
    }

    /// The place behind the `]` that ends the key of an element of a list, whose `[` is at `at`: the one that closes
    /// the bracket, or the first one outside quotes and commands where the shell takes that.
    fn key_end(&self, mut at: usize) -> Option<usize> {
        if !self.dialect.first_bracket_ends_key {
            return self.brackets_end(at);
        }
        loop {
            at = match *self.text.get(at)? {
                b']' => return Some(at + 1),
                b'\\' => at + 2,
                b'$' if self.text.get(at + 1) == Some(&b'(') => self.parentheses_end(at + 1)?,
                b'\'' | b'"' | b'`' => self.quotes_end(at)? + 1,
                _ => at + 1,
            };
        }
    }

    /// The place behind the `)` that closes the `(` at `at`, quotes minded.
    pub(super) fn parentheses_end(&self, at: usize) -> Option<usize> {
        self.parentheses_end_in(at, 0)
    }

    fn parentheses_end_in(&self, mut at: usize, depth: u32) -> Option<usize> {
        let mut open = 0u32;
        loop {
            match *self.text.get(at)? {
                b'(' => open += 1,
                b')' => open -= 1,
                b'\\' => at += 1,
                b'\'' | b'"' | b'`' => at = self.quotes_end_in(at, depth)?,
                _ => {}
            }
            at += 1;
            if open == 0 {
                return Some(at);
            }
        }
    }

    /// The place of the quote that closes the one at `at`.
    pub(super) fn quotes_end(&self, at: usize) -> Option<usize> {
        self.quotes_end_in(at, 0)
    }

    fn quotes_end_in(&self, mut at: usize, depth: u32) -> Option<usize> {
        if depth > MAX_NESTED {
            return None;
        }
        let quote = self.text[at];
        let escapes = quote != b'\'' || (at > 0 && self.text[at - 1] == b'$');
        loop {
            at += 1;
            match *self.text.get(at)? {
                byte if byte == quote => return Some(at),
                b'\\' if escapes => at += 1,
                b'$' if quote == b'"' && self.text.get(at + 1) == Some(&b'{') => {
                    at = self.braces_end(at + 1, depth + 1)?;
                }
                b'$' if quote == b'"' && self.text.get(at + 1) == Some(&b'(') => {
                    at = self.parentheses_end_in(at + 1, depth + 1)? - 1;
                }
                b'`' if quote == b'"' => at = self.quotes_end_in(at, depth + 1)?,
                _ => {}
            }
        }
    }

    /// The place of the `}` that closes the `{` at `at`.
    pub(super) fn braces_end(&self, mut at: usize, depth: u32) -> Option<usize> {
        if depth > MAX_NESTED {
            return None;
        }
        loop {
            at += 1;
            match *self.text.get(at)? {
                b'}' => return Some(at),
                b'\\' => at += 1,
                b'"' | b'`' => at = self.quotes_end_in(at, depth + 1)?,
                b'\'' if self.dialect.braces_are_read_strictly => {
                    at = self.quotes_end_in(at, depth + 1)?;
                }
                b'$' if self.text.get(at + 1) == Some(&b'{') => {
                    at = self.braces_end(at + 1, depth + 1)?;
                }
                b'$' if self.text.get(at + 1) == Some(&b'(') => {
                    at = self.parentheses_end_in(at + 1, depth + 1)? - 1;
                }
                _ => {}
            }
        }
    }

    /// Whether what stands in brackets may be an index: it holds no blank outside quotes and substitutions,
    /// or the shell does not mind.
    fn may_be_index(&self, start: usize, end: usize) -> bool {
        let (mut at, mut open) = (start, 0u32);
        while at < end && !self.dialect.indexes_hold_blanks {
            match self.text[at] {
                b' ' | b'\t' if open == 0 => return false,
                b'(' => open += 1,
                b')' => open = open.saturating_sub(1),
                b'\\' => at += 1,
                b'\'' | b'"' | b'`' => at = self.quotes_end(at).map_or(end, |quote| quote.min(end)),
                _ => {}
            }
            at += 1;
        }
        true
    }

    ///
    /// `first`: whether it is the first thing of its command.
    pub(super) fn assignment(&mut self, first: bool) -> Parsed<Assignment> {
        let start = self.pos;
        let name = self.name_bytes();
        let open = self.pos;
        let read = |parser: &mut Self| parser.bracketed_index(Within::Brackets);
        let Indexed { name, path, index } = self.indexed(start, name, read, Arithmetic::itself)?;
        let slice = match index.is_some() && self.dialect.array_is_list {
            true => self.assigned_slice(open)?,
            false => None,
        };
        let append = self.eat(b"+");
        self.eat(b"=");
        self.pos = self.over_blanks_before_list(self.pos, first);
        let value = if self.dialect.arrays && self.peek() == Some(b'(') {
            self.list_or_members()?
        } else {
            AssignedValue::Scalar(self.assigned_word()?)
        };
        let span = self.span(start, self.pos);
        Ok(Assignment { name, path, index, slice, append, value, span })
    }

    /// The place of a list that blanks stand before, where the shell takes that; else the place that is given.
    fn over_blanks_before_list(&self, at: usize, first: bool) -> usize {
        let takes = match self.dialect.lists_stand_apart {
            ListsApart::Never => false,
            ListsApart::First => first,
            ListsApart::Always => true,
        };
        let blanks = self.text[at..].iter().take_while(|byte| matches!(byte, b' ' | b'\t')).count();
        match takes && self.text.get(at + blanks) == Some(&b'(') {
            true => at + blanks,
            false => at,
        }
    }

    /// `( ... )` as a value.
    fn list_or_members(&mut self) -> Parsed<AssignedValue> {
        let open = self.pos;
        // What could be an arithmetic command is no list.
        let is_arithmetic = || {
            let inner = self.parentheses_end(open + 1);
            inner.is_none_or(|end| self.text.get(end) == Some(&b')'))
        };
        if self.dialect.compound_variables && self.at(b"((") && is_arithmetic() {
            return self.unexpected("a blank between the parentheses");
        }
        if let Some(members) = self.deeper(Parser::members)? {
            return Ok(members);
        }
        let elements = self.deeper(Parser::array)?;
        self.with_text_behind(open, elements)
    }

    /// A list that other text follows directly is a text itself, where the shell takes that: its words with
    /// single spaces between them, in parentheses.
    fn with_text_behind(&mut self, open: usize, elements: Vec<Element>) -> Parsed<AssignedValue> {
        let ends = self.text.get(self.pos).is_none_or(|&byte| is_meta(byte));
        let plain = elements.iter().all(|element| element.index.is_none());
        if ends || !plain || !self.dialect.lists_go_on_as_text {
            return Ok(AssignedValue::Array(elements));
        }
        let close = self.span(self.pos - 1, self.pos);
        let literal = |bytes: &[u8], span| Part::Literal { bytes: bytes.into(), span };
        let mut parts = vec![literal(b"(", self.span(open, open + 1))];
        for (at, element) in elements.into_iter().enumerate() {
            if at > 0 {
                parts.push(literal(b" ", element.word.span));
            }
            parts.extend(element.word.parts);
        }
        parts.push(literal(b")", close));
        parts.extend(self.assigned_word()?.parts);
        Ok(AssignedValue::Scalar(Word::new(parts, self.span(open, self.pos))))
    }

    /// What the brackets at `open` name, if that is more than one index.
    fn assigned_slice(&mut self, open: usize) -> Parsed<Option<Slice>> {
        let end = std::mem::replace(&mut self.pos, open);
        let slice = match self.slice_subscript() {
            Err(error) if self.dialect.indexes_are_read_anew && !error.is_limit() => None,
            slice => slice?,
        };
        self.pos = end;
        Ok(slice)
    }

    /// The value of an assignment, in which braces are no tokens.
    fn assigned_word(&mut self) -> Parsed<Word> {
        let outer = std::mem::replace(&mut self.in_assignment, true);
        let word = self.word(Within::Word);
        self.in_assignment = outer;
        word
    }

    fn bracketed_index(&mut self, within: Within) -> Parsed<Option<Arithmetic>> {
        if !self.dialect.arrays || self.peek() != Some(b'[') {
            return Ok(None);
        }
        let open = self.pos;
        self.pos += 1;
        if self.dialect.empty_index_is_refused && self.raw() == Some(b']') {
            return self.unexpected("an index");
        }
        if self.dialect.indexes_are_read_anew {
            return self.index_to_read_anew(open, within).map(Some);
        }
        let index = self.arithmetic(within)?;
        if !self.eat(b"]") {
            return Err(self.unclosed(open, 1, "[", "]"));
        }
        Ok(Some(index))
    }

    /// The index in the brackets at `open`, up to where quotes let it end; what cannot be read as one is text, which
    /// is looked at when it is assigned.
    fn index_to_read_anew(&mut self, open: usize, within: Within) -> Parsed<Arithmetic> {
        let Some(end) = self.brackets_end(open) else {
            return Err(self.unclosed(open, 1, "[", "]"));
        };
        let index = match self.arithmetic(within) {
            Err(error) if error.is_limit() => return Err(error),
            index => index.ok().filter(|_| self.pos + 1 == end),
        };
        self.pos = end;
        let (from, to) = (open + 1, end - 1);
        let as_text = || {
            let word =
                Word::new(self.literal_part(from, to).into_iter().collect(), self.span(from, to));
            Arithmetic { word, cached: Default::default() }
        };
        Ok(index.unwrap_or_else(as_text))
    }

    /// `( elements )` of an array assignment.
    fn array(&mut self) -> Parsed<Vec<Element>> {
        let may_go_on = self.dialect.array_error_ends_line;
        self.array_elements().map_err(|error| {
            // What is never closed inside reaches to the end of the text.
            let is_open =
                matches!(error.kind, SyntaxErrorKind::Unclosed { opener, .. } if opener != "(");
            SyntaxError { ends_line: may_go_on && !is_open, ..error }
        })
    }

    fn array_elements(&mut self) -> Parsed<Vec<Element>> {
        let open = self.pos;
        self.pos += 1;
        let mut elements = Vec::new();
        loop {
            self.skip_newlines()?;
            self.replace_aliases_in(AliasesBehindBlank::Lists);
            if self.eat(b")") || (!elements.is_empty() && self.eat_last_semicolon()?) {
                return self.check_list(open).map(|()| elements);
            }
            if self.at_end() {
                return Err(self.unclosed(open, 1, "(", ")"));
            }
            if let Some(nested) = self.nested()? {
                elements.push(nested);
                continue;
            }
            if !self.at_word() && !self.at_bare_group() {
                return self.unexpected("an array element or )");
            }
            let indexed = self.dialect.element_indexes
                && (!self.dialect.indexes_come_first
                    || elements.iter().all(|one: &Element| one.index.is_some()));
            let plain_behind_index = self.dialect.indexes_all_or_none
                && elements.iter().any(|one: &Element| one.index.is_some());
            let element = self.element(indexed)?;
            if plain_behind_index && element.index.is_none() {
                return self.unexpected("[index]=");
            }
            elements.push(element);
        }
    }

    /// Passes over a semicolon and the parenthesis behind it, where a list may end so.
    fn eat_last_semicolon(&mut self) -> Parsed<bool> {
        let start = self.pos;
        if self.dialect.lists_may_end_in_semicolon && self.eat(b";") {
            self.skip_newlines()?;
            if self.eat(b")") {
                return Ok(true);
            }
        }
        self.pos = start;
        Ok(false)
    }

    fn element(&mut self, indexed: bool) -> Parsed<Element> {
        if indexed
            && self.peek() == Some(b'[')
            && let Some(end) = self.key_end(self.pos)
            && matches!(self.text.get(end..), Some([b'=', ..] | [b'+', b'=', ..]))
            && self.may_be_index(self.pos, end)
        {
            let index = self.bracketed_index(Within::ElementKey)?;
            let append = self.eat(b"+=");
            if append && !self.dialect.elements_append {
                return self.unexpected("[index]=");
            }
            if !append {
                self.eat(b"=");
            }
            if let Some(nested) = self.nested()? {
                return Ok(Element { index, append, ..nested });
            }
            let word = self.word(Within::Word)?;
            return Ok(Element { index, append, word, nested: None });
        }
        let grouped = self.dialect.brackets_hold_blanks && indexed && self.peek() == Some(b'[');
        let word = match grouped {
            true if self.brackets_end(self.pos).is_none() => {
                return Err(self.unclosed(self.pos, 1, "[", "]"));
            }
            true => self.bracketed_element()?,
            false => self.word(Within::Word)?,
        };
        Ok(Element { index: None, append: false, word, nested: None })
    }

    /// An element that is a list or compound itself, if one stands here.
    fn nested(&mut self) -> Parsed<Option<Element>> {
        if !self.dialect.compound_variables || self.peek() != Some(b'(') {
            return Ok(None);
        }
        let start = self.pos;
        let nested = Some(Box::new(self.list_or_members()?));
        let word = Word::new(Vec::new(), self.span(start, self.pos));
        Ok(Some(Element { index: None, append: false, word, nested }))
    }

    /// An element that begins with brackets in which blanks do not end it.
    fn bracketed_element(&mut self) -> Parsed<Word> {
        let start = self.pos;
        let mut parts = vec![self.literal_up_to(self.pos + 1)];
        parts.extend(self.parts(Within::BracketedText)?);
        if self.at_end() {
            return Err(self.unclosed(start, 1, "[", "]"));
        }
        parts.push(self.literal_up_to(self.pos + 1));
        parts.extend(self.parts(Within::Word)?);
        Ok(Word::new(parts, self.span(start, self.pos)))
    }

    /// Whether brackets behind a name at the start of the next word belong to it, whatever they hold.
    pub(super) fn takes_brackets(&self, command: &SimpleCommand) -> bool {
        let prefixes = self.dialect.declaring_prefixes;
        let passes = |word: &&Argument| match word {
            Argument::Word(word) => {
                prefixes.iter().any(|prefix| word.literal() == Some(prefix.as_bytes()))
            }
            Argument::Assignment(_) => false,
        };
        match command.words.iter().find(|word| !passes(word)) {
            None => command.words.is_empty(),
            Some(utility) => self.dialect.declared_brackets && self.is_declaration(utility),
        }
    }

    /// The first word of a command: brackets behind a name at its start are part of it, whatever they hold,
    /// where the shell reads them for an index before it knows whether `=` follows.
    pub(super) fn command_word(&mut self) -> Parsed<Word> {
        let start = self.pos;
        let name = self.text[start..].iter().take_while(|&&byte| is_name_byte(byte)).count();
        let open = start + name;
        let is_indexed =
            name > 0 && !self.text[start].is_ascii_digit() && self.text.get(open) == Some(&b'[');
        let brackets = self.dialect.command_brackets;
        if !is_indexed || brackets == CommandBrackets::Text {
            return self.word(Within::Word);
        }
        let mut parts = Vec::new();
        match brackets {
            CommandBrackets::Word => {
                parts.push(self.literal_up_to(open + 1));
                parts.extend(self.parts(Within::BracketedText)?);
                if self.at_end() {
                    return Err(self.unclosed(open, 1, "[", "]"));
                }
                parts.push(self.literal_up_to(self.pos + 1));
            }
            _ => {
                let end = self.raw_brackets_end(open);
                parts.push(self.literal_up_to(end));
            }
        }
        parts.extend(self.parts(Within::Word)?);
        Ok(Word::new(parts, self.span(start, self.pos)))
    }

    /// The place behind the `]` that closes the `[` at `at`, or behind the end of its line; nothing quotes.
    fn raw_brackets_end(&self, mut at: usize) -> usize {
        let mut open = 0u32;
        while let Some(&byte) = self.text.get(at) {
            at += 1;
            match byte {
                b'[' => open += 1,
                b']' => open -= 1,
                _ => {}
            }
            if open == 0 || byte == b'\n' {
                break;
            }
        }
        at
    }

    pub(super) fn literal_up_to(&mut self, end: usize) -> Part {
        let start = self.pos;
        self.pos = end;
        let bytes = self.text[start..end].into();
        Part::Literal { bytes, span: self.span(start, end) }
    }
}
