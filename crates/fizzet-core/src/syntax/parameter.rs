//! `${...}`.

use std::rc::Rc;

use crate::dialect::{
    DollarContinuations, EmptyOffset, Indirection, OperationParentheses, ParameterNumbers,
};
use crate::stop::Reach;
use crate::syntax::ast::{
    CaseChange, CommandSubstitution, Instead, Operation, Parameter, ParameterName, Part, Replace,
    Subscript, SubstitutionPlace, Word,
};
use crate::syntax::cursor::{Parsed, Parser, is_meta, is_name_byte};
use crate::syntax::slashes;
use crate::syntax::within::Within;

impl<'a> Parser<'a> {
    /// Whether a line continuation stands here, or behind the sign of a length.
    fn continues_behind_sign(&self) -> bool {
        let rest = &self.text[self.pos..];
        rest.strip_prefix(b"#").unwrap_or(rest).starts_with(b"\\\n")
    }

    /// `${...}` whose `$` is at `start`; stands at the `{`.
    pub(super) fn braced_parameter(&mut self, start: usize, within: Within) -> Parsed<Part> {
        let brace = self.pos;
        self.pos += 1;
        if self.dialect.dollars_take_continuations == DollarContinuations::Braces
            && self.continues_behind_sign()
        {
            return self.unexpected("the name of a parameter");
        }
        if let Some(place) = self.command_braces() {
            return self.commands_in_braces(start, place);
        }
        if let Some(byte) = self.raw().filter(|byte| self.dialect.late_starts.contains(byte)) {
            return self.late_start(start, byte, within);
        }
        let quoted = within.is_text();
        if self.dialect.unbraced_operations {
            return match self.braced_flagged(start, quoted)? {
                Some(Part::Flagged(flagged)) if self.eat(b"}") => Ok(match flagged.is_plain() {
                    true => Part::Parameter(Box::new(flagged.parameter)),
                    false => Part::Flagged(flagged),
                }),
                _ => self.bad_expansion(start, brace, quoted),
            };
        }
        self.refuse_odd_signs()?;
        let around = (
            std::mem::replace(&mut self.in_quoted_braces, quoted),
            std::mem::take(&mut self.pairs_in_pattern),
        );
        let read = self.inside_braces(quoted);
        (self.in_quoted_braces, self.pairs_in_pattern) = around;
        let read = read?;
        let closed = read.is_some() && self.eat(b"}");
        if let Some((name, index, mut operation)) = read
            && (closed || self.is_cut() || (!quoted && self.at_early_end(&name, &operation)))
        {
            let span = self.span(start, self.pos);
            if within == Within::Document && self.dialect.document_operands_hold_no_commands {
                self.mind_commands(&mut operation, &self.text[start..self.pos]);
            }
            let runs_on = !closed && self.is_cut();
            let parameter = Parameter { name, index, operation, braced: true, runs_on, span };
            self.refuse_lone_quote(&parameter, start, within)?;
            return Ok(Part::Parameter(Box::new(parameter)));
        }
        let starts = self.pos == brace + 1;
        match self.peek() {
            None if self.dialect.pattern_parentheses_hide_ends => {
                Err(self.unclosed(start, 2, "${", "}"))
            }
            Some(byte) if starts && self.dialect.spoils_start.contains(&byte) => {
                self.unexpected("the name of a parameter")
            }
            // A document is read when it is expanded.
            Some(byte)
                if within != Within::Document && self.dialect.spoils_expansion.contains(&byte) =>
            {
                self.unexpected("an operation or }")
            }
            _ => self.bad_expansion(start, brace, quoted),
        }
    }

    /// Whether the word around an operation ends here, where a brace inside it has closed it already.
    fn at_early_end(&self, name: &ParameterName, operation: &Operation) -> bool {
        matches!(name, ParameterName::Variable(_))
            && matches!(operation, Operation::Instead { .. })
            && self.ended_early()
            && self.raw().is_none_or(is_meta)
    }

    /// `${` before a sign that begins no name: `${(list)}` is `$(list)`; anything else is a mistake of grammar
    /// that is found only when it is expanded.
    fn late_start(&mut self, start: usize, sign: u8, within: Within) -> Parsed<Part> {
        if sign == b'(' {
            let part = self.dollar_parenthesis(start)?;
            if self.eat(b"}") {
                return Ok(part);
            }
        } else {
            self.pos += 1;
        }
        self.parts(if within.is_quoted() { Within::BraceQuoted } else { Within::Brace })?;
        if !self.eat(b"}") {
            return Err(self.unclosed(start, 2, "${", "}"));
        }
        let why = "commands in braces cannot be read".into();
        Ok(Part::Parameter(Box::new(Parameter {
            name: ParameterName::Variable([].into()),
            index: None,
            operation: Operation::Unreadable { why, ends: Reach::Shell },
            braced: true,
            runs_on: false,
            span: self.span(start, self.pos),
        })))
    }

    /// Makes an error of an operation in a here-document whose operand holds a command or arithmetic.
    fn mind_commands(&self, operation: &mut Operation, written: &[u8]) {
        use Operation::{Case, Remove, Replace, Substring};
        let minds =
            matches!(operation, Case { .. } | Remove { .. } | Replace { .. } | Substring { .. });
        let mut quoted = false;
        let opens = |two: &[u8]| {
            quoted ^= two[0] == b'"';
            two == b"$(" && !quoted
        };
        if minds && written.windows(2).any(opens) {
            let why = "the shell finds no end of $( in an operation in a here-document".into();
            *operation = Operation::Unreadable { why, ends: Reach::Line };
        }
    }

    /// Whether what follows `${` are commands.
    fn command_braces(&self) -> Option<SubstitutionPlace> {
        let known = self.dialect.command_braces;
        match self.raw()? {
            b'|' if known.contains('|') => Some(SubstitutionPlace::Reply),
            b' ' | b'\t' | b'\n' if known.contains(' ') => Some(SubstitutionPlace::Here),
            byte if known.contains(char::from(byte)) => Some(SubstitutionPlace::Here),
            _ => None,
        }
    }

    /// `${ list;}` and `${|list;}`, behind the brace; a redirection may stand right behind that.
    fn commands_in_braces(&mut self, start: usize, place: SubstitutionPlace) -> Parsed<Part> {
        self.pos += usize::from(!matches!(self.raw(), Some(b'<' | b'>')));
        self.command_braces += 1;
        let list = self.compound_list();
        self.command_braces -= 1;
        let list = Rc::new(list?);
        if !self.eat_reserved(b"}") && !self.eat(b"}") {
            return Err(self.unclosed(start, 2, "${", "}"));
        }
        Ok(Part::Command(Box::new(CommandSubstitution {
            list,
            place,
            span: self.span(start, self.pos),
            broken: None,
            as_written: self.is_as_written(start, self.pos),
        })))
    }

    /// The shells find a bad expansion only when they come to expand it, so it is read as far as
    /// its `}` and kept.
    fn bad_expansion(&mut self, start: usize, brace: usize, quoted: bool) -> Parsed<Part> {
        self.pos = brace + 1;
        if self.dialect.bad_sign_is_passed_over {
            self.eat(b"#");
            let named = self.parameter_name().is_some();
            if (named && self.eat(b":")) || self.raw() != Some(b'}') {
                self.pos = (self.pos + 1).min(self.text.len());
            }
        }
        self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
        if !self.eat(b"}") {
            return Err(self.unclosed(start, 2, "${", "}"));
        }
        let name = ParameterName::Variable([].into());
        let span = self.span(start, self.pos);
        let operation = Operation::Bad;
        Ok(Part::Parameter(Box::new(Parameter {
            name,
            index: None,
            operation,
            braced: true,
            runs_on: false,
            span,
        })))
    }

    fn inside_braces(
        &mut self,
        quoted: bool,
    ) -> Parsed<Option<(ParameterName, Option<Subscript>, Operation)>> {
        if self.peek() == Some(b'#') && self.length_follows() {
            self.pos += 1;
            let start = self.pos;
            let Some(name) = self.parameter_name() else { return Ok(None) };
            // A bad subscript makes a bad expansion, which is found out only when it is expanded.
            let has_elements = matches!(name, ParameterName::Variable(_));
            if !has_elements && self.peek() == Some(b'[') {
                return Ok(None);
            }
            let Ok((name, index)) = self.subscript_of(start, name) else { return Ok(None) };
            return Ok(Some((name, index, Operation::Length)));
        }
        if self.dialect.widths && self.eat(b"%") {
            let Some(name) = self.parameter_name() else { return Ok(None) };
            let Ok(index) = self.subscript() else { return Ok(None) };
            let is_list = matches!(name, ParameterName::Special(b'@' | b'*'))
                || matches!(index, Some(Subscript::At | Subscript::Star));
            return Ok((!is_list).then_some((name, index, Operation::Width)));
        }
        let is_odd = |parser: &Self| {
            [b"#%}", b"#/}", b"#=}", b"#+}", b"#:}"].into_iter().any(|written| parser.at(written))
        };
        if self.dialect.odd_length_is_bad && is_odd(self) {
            self.pos += 2;
            return Ok(Some((ParameterName::Special(b'#'), None, Operation::Bad)));
        }
        if self.dialect.indirection != Indirection::None
            && self.peek() == Some(b'!')
            && self.peek_ahead(1).is_some_and(|next| {
                self.begins_name(next)
                    || next.is_ascii_digit()
                    || matches!(next, b'@' | b'*' | b'#')
                    || (next == b'?' && self.dialect.indirection == Indirection::Value)
            })
        {
            return self.indirect(quoted);
        }
        let start = self.pos;
        let Some(name) = self.parameter_name() else { return Ok(None) };
        let Ok((name, index)) = self.subscript_of(start, name) else { return Ok(None) };
        let listless = matches!(name, ParameterName::Special(sign) if !matches!(sign, b'@' | b'*'));
        if listless && matches!(self.peek(), Some(b'^' | b',' | b'~')) {
            return Ok(None);
        }
        let is_variable = matches!(name, ParameterName::Variable(_));
        let outer = std::mem::replace(&mut self.on_variable, is_variable);
        let operation = self.operation(quoted);
        self.on_variable = outer;
        Ok(operation?.map(|operation| (name, index, operation)))
    }

    /// Whether a `#` here asks for a length: `${#x}`, but not `${#}` and not `${#-x}`.
    fn length_follows(&self) -> bool {
        match self.peek_ahead(1) {
            Some(byte) if self.begins_name(byte) || byte.is_ascii_digit() => true,
            Some(b'@' | b'*' | b'#' | b'?' | b'-' | b'$' | b'!') => {
                self.peek_ahead(2) == Some(b'}')
            }
            _ => false,
        }
    }

    pub(super) fn parameter_name(&mut self) -> Option<ParameterName> {
        match self.peek()? {
            b'0'..=b'9' => {
                let mut number = 0usize;
                while let Some(digit @ b'0'..=b'9') = self.peek() {
                    number = number.saturating_mul(10).saturating_add(usize::from(digit - b'0'));
                    self.pos += 1;
                }
                Some(ParameterName::Positional(self.kept_number(number)))
            }
            byte @ (b'@' | b'*' | b'#' | b'?' | b'-' | b'$' | b'!') => {
                self.pos += 1;
                Some(ParameterName::Special(byte))
            }
            byte if self.begins_name(byte) || (byte == b'.' && self.dialect.dotted_names) => {
                let start = self.pos;
                let name = self.named();
                if !self.dialect.dotted_names || self.peek() != Some(b'.') {
                    return Some(name);
                }
                while self.peek().is_some_and(|byte| byte == b'.' || is_name_byte(byte)) {
                    self.pos += 1;
                }
                Some(ParameterName::Variable(self.text[start..self.pos].into()))
            }
            _ => None,
        }
    }

    /// What a shell keeps of the number of a parameter.
    pub(super) fn kept_number(&self, number: usize) -> usize {
        let largest = i64::MAX as usize;
        match self.dialect.parameter_numbers {
            ParameterNumbers::Of32Bits => {
                usize::try_from(number.min(largest) as i32).unwrap_or(usize::MAX)
            }
            ParameterNumbers::FirstBeyond64Bits if number > largest => 1,
            ParameterNumbers::FirstBeyond64Bits | ParameterNumbers::Any => number,
        }
    }

    /// `[...]` where the shell has arrays.
    pub(super) fn subscript(&mut self) -> Parsed<Option<Subscript>> {
        if !self.dialect.arrays || self.peek() != Some(b'[') {
            return Ok(None);
        }
        let open = self.pos;
        // A bad expansion is read a second time, and so would be those inside it.
        if self.not_subscripts.contains(&open) {
            return Err(self.unclosed(open, 1, "[", "]"));
        }
        self.pos += 1;
        for (sign, subscript) in [(b'@', Subscript::At), (b'*', Subscript::Star)] {
            if self.peek() == Some(sign) && self.peek_ahead(1) == Some(b']') {
                self.pos += 2;
                return Ok(Some(subscript));
            }
        }
        let index = self.arithmetic(Within::Brackets);
        let is_closed = index.is_ok() && self.eat(b"]") && !self.passes_brace(open);
        if !is_closed {
            self.not_subscripts.insert(open);
        }
        let index = index?;
        if !is_closed {
            return Err(self.unclosed(open, 1, "[", "]"));
        }
        match index.word.parts.is_empty() {
            true if self.dialect.empty_index_is_none => Ok(None),
            // It is found when the index is taken.
            true if self.dialect.empty_index_is_mistake => Ok(Some(Subscript::Index(index))),
            true => Err(self.unclosed(open, 1, "[", "]")),
            false => Ok(Some(Subscript::Index(index))),
        }
    }

    /// Whether what has been read from `open` on goes beyond the word or the quotes that the expansion stands in, where
    /// the shell looks for the brace that ends it first.
    fn passes_brace(&self, open: usize) -> bool {
        if !self.dialect.brackets_close_late || !self.text[open..self.pos].contains(&b'}') {
            return false;
        }
        let Some(end) = self.braces_end(open, 0).filter(|&end| end < self.pos) else {
            return false;
        };
        self.text[end..self.pos].iter().any(|&byte| match self.in_quoted_braces {
            true => byte == b'"',
            false => is_meta(byte),
        })
    }

    fn indirect(
        &mut self,
        quoted: bool,
    ) -> Parsed<Option<(ParameterName, Option<Subscript>, Operation)>> {
        self.pos += 1;
        let start = self.pos;
        let Some(name) = self.parameter_name() else { return Ok(None) };
        let is_variable = matches!(name, ParameterName::Variable(_));
        for (sign, separate) in [(b'*', false), (b'@', true)] {
            let lists = self.dialect.name_listing && is_variable;
            if lists && self.peek() == Some(sign) && self.peek_ahead(1) == Some(b'}') {
                self.pos += 1;
                return Ok(Some((name, None, Operation::Names { separate })));
            }
        }
        if let Some(listing) = self.listing_of_no_name(start).filter(|_| is_variable) {
            return Ok(Some(listing));
        }
        let (name, index) = match is_variable {
            true => match self.subscript_of(start, name) {
                Err(error) if self.dialect.brackets_close_late && !error.is_limit() => {
                    return Ok(None);
                }
                read => read?,
            },
            false => (name, self.subscript()?),
        };
        let is_list = matches!(index, Some(Subscript::At | Subscript::Star));
        if is_list && (self.peek() == Some(b'}') || self.dialect.indirection != Indirection::Value)
        {
            return Ok(Some((name, index, Operation::Keys)));
        }
        let Some(then) = self.operation(quoted)? else { return Ok(None) };
        if self.dialect.indirection == Indirection::Name {
            let listed = self.dialect.name_listing || matches!(then, Operation::Value);
            return Ok(listed.then_some((name, index, Operation::Name(Box::new(then)))));
        }
        Ok(Some((name, index, Operation::Indirect(Box::new(then)))))
    }

    /// `${!prefix*}` whose prefix begins like a name and goes on with what no name has: it lists nothing. Observed
    /// in bash 5.2: c=1; echo "${!c.*}" "${!c;@}"
    fn listing_of_no_name(
        &mut self,
        start: usize,
    ) -> Option<(ParameterName, Option<Subscript>, Operation)> {
        let ends = |byte: &u8| b"}#%+,/:@[^~-=?".contains(byte);
        let rest = &self.text[self.pos..];
        let stop = self.pos + rest.iter().position(ends)?;
        let (end, separate) = match self.text.get(stop - 1..stop + 2)? {
            [_, b'@', b'}'] => (stop, true),
            [b'*', b'}', _] => (stop - 1, false),
            _ => return None,
        };
        if end == self.pos || !self.dialect.name_listing_takes_any_prefix {
            return None;
        }
        self.pos = end + 1;
        let name = ParameterName::Variable(self.text[start..end].into());
        Some((name, None, Operation::Names { separate }))
    }

    pub(super) fn operation(&mut self, quoted: bool) -> Parsed<Option<Operation>> {
        let Some(byte) = self.peek() else { return Ok(None) };
        let operation = match byte {
            b'}' => Operation::Value,
            b'-' | b'=' | b'?' | b'+' => self.instead(byte, false, quoted)?,
            b':' if self.at(b"::=") && self.dialect.assigns_always => {
                self.pos += 2;
                match self.instead(b'=', false, quoted)? {
                    Operation::Instead { colon, word, .. } => {
                        Operation::Instead { what: Instead::AssignAlways, colon, word }
                    }
                    other => other,
                }
            }
            b':' if self.dialect.colon_hides_brace && self.at(b":}") => {
                self.eat(b":}");
                let within = if quoted { Within::BraceQuoted } else { Within::Brace };
                Operation::Rest(self.word(within)?)
            }
            b':' => match self.peek_ahead(1) {
                Some(next @ (b'-' | b'=' | b'?' | b'+')) => {
                    self.peek();
                    self.pos += 1;
                    self.instead(next, true, quoted)?
                }
                Some(sign @ (b'#' | b'%')) if self.dialect.colon_before_removal => {
                    self.peek();
                    self.pos += 1;
                    self.remove(sign, quoted)?
                }
                _ if self.dialect.substrings => self.substring(quoted)?,
                _ => return Ok(None),
            },
            b'#' | b'%' => self.remove(byte, quoted)?,
            b'/' if self.dialect.replacement => self.replace(quoted)?,
            b'^' | b',' | b'~' if self.dialect.case_change => self.case_change(byte)?,
            b'@' if self.dialect.replacement_can_be_anew && self.peek_ahead(1) == Some(b'/') => {
                self.pos += 2;
                self.replacement_of(Replace::Each, quoted)?
            }
            b'@' if self.dialect.transformations => {
                let Some(letter) = self.peek_ahead(1) else { return Ok(None) };
                if !self.dialect.transformation_letters.as_bytes().contains(&letter)
                    && !self.dialect.transformation_letters.contains('U')
                {
                    return Ok(None);
                }
                self.pos += if letter == b'}' { 1 } else { 2 };
                let rest = self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
                let is_whole = rest.is_empty() || self.dialect.transformation_rest_is_lost;
                Operation::Transform(if is_whole { letter } else { 0 })
            }
            _ => return Ok(None),
        };
        Ok(Some(operation))
    }

    fn instead(&mut self, sign: u8, colon: bool, quoted: bool) -> Parsed<Operation> {
        self.peek();
        self.pos += 1;
        let what = match sign {
            b'-' => Instead::Default,
            b'=' => Instead::Assign,
            b'?' => Instead::Error,
            _ => Instead::Alternative,
        };
        let outer = self.nested_closed.replace(false);
        let start = self.pos;
        let word = self.word(if quoted { Within::BraceQuoted } else { Within::Brace })?;
        let again = match quoted && self.dialect.ansi_c_is_read_again {
            true => self.word_with_ansi_c(start, &word)?,
            false => None,
        };
        // What has ended the operation around this one ends that still.
        self.nested_closed.set(self.nested_closed.get() || outer);
        match again.transpose() {
            Ok(again) => Ok(Operation::Instead { what, colon, word: again.unwrap_or(word) }),
            Err(_) => Ok(Operation::Bad),
        }
    }

    /// Patterns keep their own quotes, even between double quotes.
    fn remove(&mut self, sign: u8, quoted: bool) -> Parsed<Operation> {
        self.pos += 1;
        let longest = self.peek() == Some(sign);
        if longest {
            self.pos += 1;
        }
        let pairs = quoted && self.dialect.pattern_quotes_need_pairs;
        let outer = self.begin_pattern();
        let pattern = self.word(if pairs { Within::QuotedPattern } else { Within::Brace });
        self.pairs_in_pattern = outer;
        let pattern = pattern?;
        let pattern = match self.in_document && self.dialect.document_patterns_unquote {
            true => unquoted(pattern),
            false => pattern,
        };
        self.mind_parentheses(&pattern, Operand::Removed)?;
        if self.in_document && self.dialect.open_bracket_ends_shell && has_open_bracket(&pattern) {
            let why = OPEN_BRACKET.into();
            return Ok(Operation::Unreadable { why, ends: Reach::Command });
        }
        Ok(Operation::Remove { suffix: sign == b'%', longest, pattern })
    }

    /// Reads a pattern from here on, in which parentheses may hide what ends it; answers what to put back behind it.
    fn begin_pattern(&mut self) -> bool {
        let hides = self.dialect.pattern_parentheses_hide_ends;
        std::mem::replace(&mut self.pairs_in_pattern, hides)
    }

    fn substring(&mut self, quoted: bool) -> Parsed<Operation> {
        self.pos += 1;
        if self.peek() == Some(b'}') {
            match self.dialect.empty_offset {
                EmptyOffset::Zero => {}
                EmptyOffset::Bad => return Ok(Operation::Bad),
                EmptyOffset::Refused => return self.unexpected("an offset behind the colon"),
            }
        }
        let signs = self.dialect.offset_signs.as_bytes();
        let begins = |byte: u8| {
            byte.is_ascii_alphanumeric() || byte.is_ascii_whitespace() || signs.contains(&byte)
        };
        if !signs.is_empty() && !self.peek().is_some_and(begins) {
            let _ = self.arithmetic(Within::Length)?;
            return Ok(Operation::Bad);
        }
        if self.dialect.offset_end.is_late() {
            let within = if quoted { Within::BraceQuoted } else { Within::Brace };
            return Ok(Operation::Substring { offset: self.arithmetic(within)?, length: None });
        }
        let within = if signs.is_empty() { Within::Offset } else { Within::QuotingOffset };
        let offset = self.arithmetic(within)?;
        let length = match self.peek() {
            // A letter behind the colon is a modifier.
            Some(b':')
                if self.dialect.lengths_are_no_letters
                    && self.peek_ahead(1).is_some_and(|next| next.is_ascii_alphabetic()) =>
            {
                None
            }
            Some(b':') => {
                self.pos += 1;
                let to_end = self.dialect.length_takes_colons;
                let within = if to_end { Within::Length } else { within };
                Some(self.arithmetic(within)?)
            }
            _ => None,
        };
        Ok(Operation::Substring { offset, length })
    }

    fn replace(&mut self, quoted: bool) -> Parsed<Operation> {
        self.pos += 1;
        let which = match self.peek() {
            Some(b'/') => Replace::All,
            Some(b'#') if self.dialect.replacement_anchors => Replace::Prefix,
            Some(b'%') if self.dialect.replacement_anchors => Replace::Suffix,
            _ => Replace::First,
        };
        if which != Replace::First {
            self.pos += 1;
        }
        let which = match self.peek() {
            Some(sign @ (b'#' | b'%'))
                if which == Replace::All && self.dialect.anchors_behind_two_slashes =>
            {
                self.pos += 1;
                if sign == b'#' { Replace::Prefix } else { Replace::Suffix }
            }
            _ => which,
        };
        let both = which == Replace::Prefix && self.dialect.anchors_behind_two_slashes;
        if both && self.peek() == Some(b'%') {
            self.pos += 1;
            return self.replacement_of(Replace::Whole, quoted);
        }
        self.replacement_of(which, quoted)
    }

    /// The pattern of a replacement, and what stands behind the slash that ends it.
    pub(super) fn replacement_of(&mut self, which: Replace, quoted: bool) -> Parsed<Operation> {
        let (pattern, is_spoiled) =
            self.replaced_pattern(matches!(which, Replace::All | Replace::Each), quoted)?;
        self.mind_parentheses(&pattern, Operand::Replaced)?;
        let replacement = match self.peek() {
            Some(b'/') => {
                self.pos += 1;
                let quoted = quoted && !self.dialect.replacement_unquotes;
                let mut word =
                    self.word(if quoted { Within::BraceQuoted } else { Within::Brace })?;
                if self.dialect.operation_parentheses == OperationParentheses::Groups {
                    self.mind_parentheses(&word, Operand::Replacement)?;
                }
                if self.dialect.replacement_keeps_escaped_slash {
                    word.parts.iter_mut().for_each(keep_escaped_slash);
                }
                Some(word)
            }
            _ => None,
        };
        let (pattern, replacement) = match self.dialect.quoted_slash_ends_pattern {
            true => slashes::cut_at_slash(pattern, replacement),
            false => (pattern, replacement),
        };
        Ok(match is_spoiled {
            true => Operation::Value,
            false => Operation::Replace { which, pattern, replacement },
        })
    }

    /// Refuses the unquoted parentheses that the shell refuses in a word of an operation.
    fn mind_parentheses(&mut self, word: &Word, operand: Operand) -> Parsed<()> {
        let rule = self.dialect.operation_parentheses;
        if rule == OperationParentheses::Any {
            return Ok(());
        }
        // ksh93 minds them only behind a name.
        let pairs = rule == OperationParentheses::Pairs || !self.on_variable;
        let mut open = 0u32;
        for (place, part) in word.parts.iter().enumerate() {
            let Part::Literal { bytes, .. } = part else { continue };
            for (at, byte) in bytes.iter().enumerate() {
                // ksh93 minds one that begins a pattern.
                let behind = at > 0 || place > 0 || operand == Operand::Replacement;
                match byte {
                    b'(' if behind || open > 0 || pairs => open += 1,
                    b')' if open > 0 => open -= 1,
                    b')' if rule == OperationParentheses::Pairs && operand == Operand::Removed => {}
                    b'(' | b')' => return self.unexpected("quotes around a parenthesis"),
                    _ => {}
                }
            }
        }
        match open {
            0 => Ok(()),
            _ => self.unexpected("a parenthesis that closes the group"),
        }
    }

    /// The pattern up to an unquoted `/`; behind `//` one that stands first belongs to the pattern. With it,
    /// whether the shell ends it at a slash between quotes, so that a mark of the quotes is left over.
    fn replaced_pattern(&mut self, all: bool, quoted: bool) -> Parsed<(Word, bool)> {
        let start = self.pos;
        let mut parts = Vec::new();
        if all && self.dialect.slash_begins_pattern && self.raw() == Some(b'/') {
            self.pos += 1;
            parts.push(Part::Literal { bytes: [b'/'].into(), span: self.span(start, self.pos) });
        }
        let pairs = quoted && self.dialect.pattern_quotes_need_pairs;
        let nest =
            self.dialect.braces_nest && (!quoted || self.dialect.quoted_replaced_braces_nest);
        let outer = std::mem::replace(&mut self.braces_in_replaced, nest);
        let within = if pairs { Within::QuotedReplaced } else { Within::Replaced };
        let outer_pairs = self.begin_pattern();
        let unescaped = self.pattern_without_backslashes(within);
        let is_unescaped = matches!(unescaped, Ok(Some(_)));
        let read = unescaped.and_then(|parts| parts.map_or_else(|| self.parts(within), Ok));
        (self.braces_in_replaced, self.pairs_in_pattern) = (outer, outer_pairs);
        parts.extend(read?);
        let pattern = Word::new(parts, self.span(start, self.pos));
        let is_spoiled = self.dialect.pattern_quotes_need_pairs
            && !is_unescaped
            && slashes::hides_slash(&pattern);
        Ok((pattern, is_spoiled))
    }

    fn case_change(&mut self, sign: u8) -> Parsed<Operation> {
        self.pos += 1;
        let all = self.peek() == Some(sign);
        if all {
            self.pos += 1;
        }
        let pattern = self.word(Within::Brace)?;
        let pattern = (!pattern.parts.is_empty()).then_some(pattern);
        let change = match sign {
            b'^' => CaseChange::Upper,
            b',' => CaseChange::Lower,
            _ => CaseChange::Other,
        };
        Ok(Operation::Case { change, all, pattern })
    }
}

/// Which word of an operation is looked at for parentheses.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Operand {
    /// The pattern of what is taken off.
    Removed,
    /// The pattern of what is replaced.
    Replaced,
    /// What is put there instead.
    Replacement,
}

/// Gives a slash behind a backslash its backslash back.
fn keep_escaped_slash(part: &mut Part) {
    if let Part::Escaped { bytes, span } = part
        && **bytes == *b"/"
    {
        *part = Part::Single { bytes: b"\\/"[..].into(), span: *span };
    }
}

/// What is wrong with a pattern whose bracket is never closed.
pub(crate) const OPEN_BRACKET: &str = "the bracket in this pattern is never closed";

/// Whether a bracket is opened outside quotes that nothing closes.
pub(crate) fn has_open_bracket(pattern: &Word) -> bool {
    let literals = || {
        pattern.parts.iter().filter_map(|part| match part {
            Part::Literal { bytes, .. } => Some(bytes),
            _ => None,
        })
    };
    let mut open = false;
    for byte in literals().flat_map(|bytes| bytes.iter()) {
        open = (open && *byte != b']') || *byte == b'[';
    }
    open
}

/// A pattern whose double quotes count for the text in them only.
fn unquoted(pattern: Word) -> Word {
    let mut parts = Vec::with_capacity(pattern.parts.len());
    for part in pattern.parts {
        let Part::Double { parts: inner, .. } = part else {
            parts.push(part);
            continue;
        };
        parts.extend(inner.into_iter().map(|part| match part {
            Part::Literal { bytes, span } => Part::Single { bytes, span },
            part => part,
        }));
    }
    Word::new(parts, pattern.span)
}
