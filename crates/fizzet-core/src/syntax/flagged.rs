//! Parameter expansions with flags, as zsh has them: `${(U)x}`, `${=x}`, `$#x`, `$x[2,3]`, `${x:t}`,
//! `${${x}#a}` (observed in zsh 5.9).

use bstr::ByteSlice;

use crate::dialect::Dialect;
use crate::syntax::ansi_c;
use crate::syntax::ast::{
    Arithmetic, Combine, Flag, Flagged, Further, Operation, Parameter, ParameterName, Part,
    Replace, SearchFlags, Slice, Subscript,
};
use crate::syntax::cursor::{Parsed, Parser, is_meta, is_name_start};
use crate::syntax::index_text::is_index_text;
use crate::syntax::modifiers::{Bounds, character_at};
use crate::syntax::unquoted::unquoted;
use crate::syntax::within::Within;

impl<'a> Parser<'a> {
    /// `$#x`, `$+x`, `$=x`, `$~x`, `$^x` and `$x` with a subscript or modifiers behind it, whose `$`
    /// is at `start`; the place is behind that. `None` with the place unchanged if it is none.
    pub(super) fn unbraced_flagged(
        &mut self,
        start: usize,
        within: Within,
    ) -> Parsed<Option<Part>> {
        let back = self.pos;
        let mut flagged = self.empty_flagged(start);
        flagged.parameter.braced = false;
        self.signs(&mut flagged, false);
        let signs = self.pos > back;
        match self.flagged_name(signs) {
            Some(name) => flagged.parameter.name = name,
            // `$=` alone is nothing.
            None if signs && !flagged.tests && !flagged.measures => {}
            // `$#:-` is the length of nothing.
            None if flagged.measures && self.at(b":-") => {}
            None => {
                self.pos = back;
                return Ok(None);
            }
        }
        let plain = self.pos;
        let digits = matches!(flagged.parameter.name, ParameterName::Positional(1..));
        let is_known = self.not_subscripts.contains(&plain);
        let subscripts = !digits && self.dialect.unbraced_subscripts;
        let is_cut = |parser: &Self| {
            within == Within::Word && word_ends_inside(&parser.text[plain..parser.pos])
        };
        if subscripts && (is_known || self.flagged_subscript(&mut flagged).is_err() || is_cut(self))
        {
            // A subscript that nothing closes in its word is found out when it is expanded.
            self.not_subscripts.insert(plain);
            self.pos = plain + 1;
            flagged.parameter.operation = Operation::Bad;
        }
        let subscript = self.pos > plain;
        let mut bounds = Bounds { quoted: false, end: None };
        while !flagged.measures
            && self.peek_ahead(0) == Some(b':')
            && self.modifier(&mut flagged, &mut bounds)?
        {}
        if !signs && !subscript && flagged.modifiers.is_empty() {
            self.pos = back;
            return Ok(None);
        }
        flagged.parameter.span = self.span(start, self.pos);
        Ok(Some(Part::Flagged(Box::new(flagged))))
    }

    fn flagged_name(&mut self, signs: bool) -> Option<ParameterName> {
        match self.peek()? {
            byte if self.begins_name(byte) => Some(self.named()),
            b'0'..=b'9' => {
                let mut number = 0usize;
                while let Some(digit @ b'0'..=b'9') = self.raw() {
                    number = number.saturating_mul(10).saturating_add(usize::from(digit - b'0'));
                    self.pos += 1;
                }
                Some(ParameterName::Positional(self.kept_number(number)))
            }
            sign @ (b'@' | b'*') => {
                self.pos += 1;
                Some(ParameterName::Special(sign))
            }
            sign @ (b'?' | b'$' | b'!' | b'-' | b'#')
                if signs || matches!(self.peek_ahead(1), Some(b'[' | b':')) =>
            {
                self.pos += 1;
                Some(ParameterName::Special(sign))
            }
            _ => None,
        }
    }

    fn empty_flagged(&self, start: usize) -> Flagged {
        Flagged {
            parameter: Parameter {
                name: ParameterName::Variable([].into()),
                index: None,
                operation: Operation::Value,
                braced: true,
                runs_on: false,
                span: self.span(start, start),
            },
            inner: None,
            flags: Vec::new(),
            splits: None,
            forms_patterns: None,
            distributes: None,
            tests: false,
            measures: false,
            slice: None,
            further: Vec::new(),
            modifiers: Vec::new(),
        }
    }

    /// `= ~ ^ + #` before a name.
    fn signs(&mut self, flagged: &mut Flagged, braced: bool) {
        loop {
            let Some(sign) = self.peek_ahead(0) else { return };
            let doubled = self.peek_ahead(1) == Some(sign);
            let next = self.peek_ahead(1 + usize::from(doubled));
            let names = |byte: u8| {
                self.begins_name(byte)
                    || byte.is_ascii_digit()
                    || matches!(byte, b'@' | b'*' | b'#')
                    || (matches!(byte, b'+' | b'=' | b'~' | b'^') && sign != b'#')
                    || (braced && matches!(byte, b'$' | b'(' | b'"' | b'?' | b'-' | b'!'))
                    || (byte == b':' && self.at(b"#:-"))
                    || (braced && byte == b':' && sign != b'#')
                    || (sign == b'#' && matches!(byte, b'$' | b'?' | b'-'))
                    || (sign == b'#' && braced && (byte == b'#' || (doubled && byte == b'}')))
            };
            let ends = !braced || next == Some(b'}');
            let stands_alone = ends && matches!(sign, b'=' | b'~' | b'^');
            let counts = sign != b'#' || braced || self.dialect.unbraced_lengths;
            if !counts || (!stands_alone && !next.is_some_and(names)) {
                return;
            }
            match sign {
                b'=' => flagged.splits = Some(!doubled),
                b'~' => flagged.forms_patterns = Some(!doubled),
                b'^' => flagged.distributes = Some(!doubled),
                b'+' if !doubled => flagged.tests = true,
                b'#' if self.measures(doubled, braced) => {
                    flagged.measures = true;
                    self.advance(1);
                    continue;
                }
                _ => return,
            }
            self.advance(1 + usize::from(doubled));
        }
    }

    /// Whether a `#` here asks for a length: not in `${#}`, `${#%x}` and `${##x}`.
    fn measures(&self, doubled: bool, braced: bool) -> bool {
        match self.peek_ahead(1) {
            Some(b'#') if doubled => braced && self.peek_ahead(2) == Some(b'}'),
            _ => true,
        }
    }

    /// What is between the braces of `${...}`; `None` if it is no expansion. Stands behind the
    /// opening brace, and before the closing one when it returns.
    pub(super) fn braced_flagged(&mut self, start: usize, quoted: bool) -> Parsed<Option<Part>> {
        let mut flagged = self.empty_flagged(start);
        if self.raw() == Some(b'(') && !self.flags(&mut flagged)? {
            return Ok(None);
        }
        self.signs(&mut flagged, true);
        match self.raw() {
            Some(b'$') if self.text.get(self.pos + 1).is_some_and(|b| matches!(b, b'{' | b'(')) => {
                let within = if quoted { Within::Double } else { Within::Brace };
                flagged.inner = self.dollar(within)?;
            }
            Some(b'"') => flagged.inner = Some(self.double_quoted(self.pos)?),
            Some(b':' | b'}' | b'%' | b'/') => {}
            _ => match self.parameter_name() {
                Some(name) => flagged.parameter.name = name,
                None => return Ok(None),
            },
        }
        self.flagged_subscript(&mut flagged)?;
        while self.raw() == Some(b'[') && (flagged.is_part() || flagged.is_whole()) {
            let open = self.pos;
            let further = match self.slice_subscript()? {
                Some(slice) => Further::Slice(slice),
                None => {
                    self.pos = open;
                    match self.subscript()? {
                        Some(Subscript::Index(index)) => Further::Index(index),
                        _ => break,
                    }
                }
            };
            flagged.further.push(further);
        }
        let mut bounds = Bounds { quoted, end: None };
        while self.peek_ahead(0) == Some(b':') && self.modifier(&mut flagged, &mut bounds)? {}
        let is_modified = !flagged.modifiers.is_empty();
        if !is_modified {
            let Some(operation) = self.flagged_operation(quoted)? else { return Ok(None) };
            if !matches!(flagged.parameter.operation, Operation::Bad) {
                flagged.parameter.operation = operation;
            }
            while self.peek_ahead(0) == Some(b':') && self.modifier(&mut flagged, &mut bounds)? {}
        }
        // Behind a modifier nothing but modifiers can stand.
        if (is_modified || flagged.measures) && self.raw() != Some(b'}') {
            flagged.parameter.operation = Operation::Bad;
            self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
        }
        flagged.parameter.span = self.span(start, self.pos + 1);
        Ok(Some(Part::Flagged(Box::new(flagged))))
    }

    fn flagged_operation(&mut self, quoted: bool) -> Parsed<Option<Operation>> {
        if self.at(b":#") {
            self.pos += 2;
            return Ok(Some(Operation::Filter(self.word(Within::Brace)?)));
        }
        let signs = [
            (&b":^^"[..], Combine::ZipLong),
            (b":^", Combine::ZipShort),
            (b":|", Combine::Without),
            (b":*", Combine::Within),
        ];
        if let Some((sign, how)) = signs.into_iter().find(|(sign, _)| self.at(sign)) {
            self.pos += sign.len();
            let name: std::rc::Rc<[u8]> = self.name_bytes();
            if self.raw() == Some(b'}') {
                return Ok(Some(Operation::Combine { how, name }));
            }
            self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
            return Ok(Some(Operation::Bad));
        }
        if self.at(b":%") {
            // Nothing comes of it.
            self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
            return Ok(Some(Operation::Value));
        }
        if self.at(b":/") {
            self.pos += 2;
            self.eat(b"#");
            self.eat(b"%");
            return self.replacement_of(Replace::Whole, quoted).map(Some);
        }
        if self.raw() == Some(b':')
            && self.text.get(self.pos + 1).is_some_and(|&next| is_name_start(next))
        {
            // A letter is a modifier, and this one is unknown.
            self.parts(if quoted { Within::BraceQuoted } else { Within::Brace })?;
            return Ok(Some(Operation::Bad));
        }
        self.operation(quoted)
    }

    /// `[...]` behind a name: an index, a range or a search.
    fn flagged_subscript(&mut self, flagged: &mut Flagged) -> Parsed<()> {
        if self.peek_ahead(0) != Some(b'[') {
            return Ok(());
        }
        let open = self.over_continuations(self.pos);
        self.pos = open;
        flagged.slice = self.slice_subscript()?;
        if flagged.slice.is_none() {
            self.pos = open;
            flagged.parameter.index = self.subscript()?;
        }
        let inside = open + 1..self.pos.saturating_sub(1);
        if !inside.is_empty() && !is_index_text(&self.text[inside], self.dialect) {
            flagged.parameter.operation = Operation::Bad;
        }
        // `$*[@]` is `$@`.
        let listed = match flagged.parameter.index {
            Some(Subscript::At) => b'@',
            Some(Subscript::Star) => b'*',
            _ => return Ok(()),
        };
        if let ParameterName::Special(sign @ (b'@' | b'*')) = &mut flagged.parameter.name {
            *sign = listed;
            flagged.parameter.index = None;
        }
        Ok(())
    }

    /// `[first,last]` or `[(flags)pattern]`, if that stands here.
    pub(super) fn slice_subscript(&mut self) -> Parsed<Option<Slice>> {
        let open = self.pos;
        self.pos += 1;
        if self.raw() == Some(b'(') {
            self.pos += 1;
            if let Some(flags) = self.search_flags() {
                let pattern = self.word(Within::Brackets)?;
                self.expect_bracket(open)?;
                return Ok(Some(Slice::Search(flags, pattern)));
            }
        }
        let range = self.range_subscript(open)?;
        Ok(range.map(|(first, last)| Slice::Range(first, last)))
    }

    /// The flags of `[(flags)pattern]`, up to their parenthesis; `None` if they are none.
    fn search_flags(&mut self) -> Option<SearchFlags> {
        let mut letters = Vec::new();
        let mut flags = SearchFlags::default();
        loop {
            let letter = *self.text.get(self.pos)?;
            self.pos += 1;
            match letter {
                b')' if letters.is_empty() => return None,
                b')' => break,
                b'n' => flags.nth = Some(self.flag_argument(&mut None)?),
                b'b' => flags.from = Some(self.flag_argument(&mut None)?),
                b's' => {
                    let given = self.flag_argument(&mut None)?;
                    flags.separator = Some(match letters.contains(&b'p') {
                        true => ansi_c::decode(&given, self.dialect.dollar_escapes).into(),
                        false => given,
                    });
                }
                letter if letter.is_ascii_alphabetic() => {}
                _ => return None,
            }
            letters.push(letter);
        }
        Some(SearchFlags { letters: letters.into(), ..flags })
    }

    fn expect_bracket(&mut self, open: usize) -> Parsed<()> {
        match self.eat(b"]") {
            true => Ok(()),
            false => Err(self.unclosed(open, 1, "[", "]")),
        }
    }

    /// `[first,last]`, if a comma stands between the brackets.
    fn range_subscript(&mut self, open: usize) -> Parsed<Option<(Arithmetic, Arithmetic)>> {
        self.pos = open + 1;
        let first = self.arithmetic(Within::RangeStart)?;
        if self.raw() != Some(b',') {
            return Ok(None);
        }
        self.pos += 1;
        let last = self.arithmetic(Within::Brackets)?;
        self.expect_bracket(open)?;
        Ok(Some((first, last)))
    }

    /// `(flags)`; false if they are none.
    fn flags(&mut self, flagged: &mut Flagged) -> Parsed<bool> {
        self.pos += 1;
        loop {
            let Some(letter) = self.raw() else { return Ok(false) };
            self.pos += 1;
            let count = match letter {
                b')' => return Ok(true),
                b'j' | b's' | b'g' | b'Z' | b'_' => 1,
                b'l' | b'r' => 3,
                b'I' | b'b' if letter == b'I' => 1,
                letter if letter.is_ascii_alphanumeric() => 0,
                b'@' | b'#' | b'%' | b'~' | b'-' | b'+' | b'*' => 0,
                _ => return Ok(false),
            };
            let mut arguments = Vec::new();
            let mut opener = None;
            while arguments.len() < count {
                match self.flag_argument(&mut opener) {
                    Some(argument) if flagged.flags.iter().any(|flag| flag.letter == b'p') => {
                        arguments
                            .push(ansi_c::decode(&argument, self.dialect.dollar_escapes).into());
                    }
                    Some(argument) => arguments.push(argument),
                    None => break,
                }
            }
            if count > 0 && arguments.is_empty() {
                return Ok(false);
            }
            flagged.flags.push(Flag { letter, arguments });
        }
    }

    /// `:text:`, with any character for the colons; the next argument begins with the same one, which is kept in
    /// `opener`.
    pub(super) fn flag_argument(&mut self, opener: &mut Option<Box<[u8]>>) -> Option<Box<[u8]>> {
        let delimiter = character_at(&self.text, self.pos)?;
        if delimiter == b")" || delimiter[0].is_ascii_alphanumeric() {
            return None;
        }
        if **opener.get_or_insert_with(|| delimiter.into()) != *delimiter {
            return None;
        }
        let closer: &[u8] = match delimiter {
            b"(" => b")",
            b"[" => b"]",
            b"{" => b"}",
            b"<" => b">",
            same => same,
        };
        let rest = &self.text[self.pos + delimiter.len()..];
        let length = rest.find(closer)?;
        let argument = rest[..length].into();
        self.pos += delimiter.len() + length + closer.len();
        Some(argument)
    }
}

impl Flagged {
    /// Whether brackets take a part of the value.
    fn is_part(&self) -> bool {
        self.slice.is_some() || matches!(self.parameter.index, Some(Subscript::Index(_)))
    }

    /// Whether brackets take all elements.
    fn is_whole(&self) -> bool {
        matches!(self.parameter.index, Some(Subscript::At | Subscript::Star))
    }

    /// Whether nothing but the parameter itself is asked for.
    pub(super) fn is_plain(&self) -> bool {
        self.inner.is_none()
            && self.flags.is_empty()
            && self.splits.is_none()
            && self.forms_patterns.is_none()
            && self.distributes.is_none()
            && !self.tests
            && !self.measures
            && self.slice.is_none()
            && self.further.is_empty()
            && self.modifiers.is_empty()
            && !matches!(self.parameter.operation, Operation::Filter(_) | Operation::Combine { .. })
            && self.parameter.name != ParameterName::Variable([].into())
            && !matches!(self.parameter.index, Some(Subscript::Index(_)))
    }
}

/// The flags that a text begins with as `(flags)`, and how many bytes they take.
pub(crate) fn search_flags_of(text: &[u8], dialect: &Dialect) -> Option<(SearchFlags, usize)> {
    if !text.starts_with(b"(") {
        return None;
    }
    let mut parser = Parser::new(text, crate::source::SourceId::MAIN, dialect);
    parser.pos = 1;
    let flags = parser.search_flags()?;
    Some((flags, parser.pos))
}

/// Whether the word that holds this subscript ends in it: at a sign that neither quotes nor parentheses hide.
fn word_ends_inside(subscript: &[u8]) -> bool {
    let mut depth = 0usize;
    unquoted(subscript).any(|(_, byte)| {
        match byte {
            b'(' | b'{' => depth += 1,
            b')' | b'}' => depth = depth.saturating_sub(1),
            byte => return depth == 0 && is_meta(byte),
        }
        false
    })
}
