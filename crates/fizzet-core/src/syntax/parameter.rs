//! `${...}`.

use std::rc::Rc;

use crate::dialect::{DollarContinuations, Indirection, ParameterNumbers};
use crate::stop::Reach;
use crate::syntax::ast::{
    CommandSubstitution, Operation, Parameter, ParameterName, Part, Subscript, SubstitutionPlace,
};
use crate::syntax::cursor::{Parsed, Parser, is_meta, is_name_byte};
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
            std::mem::take(&mut self.in_pattern),
        );
        let read = self.inside_braces(quoted);
        (self.in_quoted_braces, self.in_pattern) = around;
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
        let list = self.strict_list();
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
            lines_count_as_written: false,
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
                    || (next == b'.' && self.dialect.dotted_names)
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
            Some(b'.') => self.dialect.dotted_names,
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
}
