//! Words: literals, quotes and the expansions between them.

use crate::dialect::{DocumentQuotes, HidingQuotes, OffsetEnd, Quotes};
use crate::expand::pattern::{EXPRESSIONS, range_length};
use crate::source::Span;
use crate::syntax::ast::{Arithmetic, Part, Word};
use crate::syntax::cursor::{Made, Parsed, Parser, PatternWord, is_meta};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::slashes;
use crate::syntax::vanishing::Vanishing;
use crate::syntax::within::{InPattern, Within};

/// What an open bracket adds to the count of open parentheses.
const BRACKET: u32 = 1 << 16;

/// What an active byte turned out to begin.
pub(super) enum Active {
    /// Nothing: it stands for itself.
    Itself,
    /// A line continuation, which does not exist for the word.
    Removed,
    /// A part.
    Part(Part),
}

impl Active {
    pub(super) fn part(self) -> Option<Part> {
        match self {
            Active::Part(part) => Some(part),
            Active::Itself | Active::Removed => None,
        }
    }
}

/// Whether each bracket in an expression is closed, and the parentheses within are. Single quotes and backslashes hide
/// them, double quotes only inside of others.
fn closes_brackets(parts: &[Part]) -> bool {
    let (mut open, mut quote) = (Vec::new(), None);
    for part in parts {
        let mut inner = std::slice::from_ref(part);
        if let Part::Double { parts, .. } = part {
            inner = if open.is_empty() { parts } else { &[] };
        }
        for part in inner {
            let Part::Literal { bytes, .. } = part else { continue };
            let mut bytes = bytes.iter().copied();
            while let Some(byte) = bytes.next() {
                match byte {
                    _ if quote == Some(byte) => quote = None,
                    _ if quote.is_some() => {}
                    b'\\' => drop(bytes.next()),
                    b'\'' => quote = Some(byte),
                    b'"' if !open.is_empty() => quote = Some(byte),
                    b'[' => open.push(b']'),
                    b'(' if !open.is_empty() => open.push(b')'),
                    b']' | b')' if !open.is_empty() && open.pop() != Some(byte) => return false,
                    _ => {}
                }
            }
        }
    }
    open.is_empty()
}

impl<'a> Parser<'a> {
    /// A word as far as `within` allows; it may turn out empty.
    pub(super) fn word(&mut self, within: Within) -> Parsed<Word> {
        let start = self.pos;
        let parts = self.parts(within)?;
        let reaches =
            matches!(within, Within::Word | Within::Document | Within::Brace | Within::BraceQuoted);
        let span = self.span(start, self.pos);
        let parts = match reaches && self.dialect.replacements_reach_on {
            true => slashes::reach_on(parts, slashes::MAX_LEVELS).ok_or_else(|| {
                SyntaxError::new(SyntaxErrorKind::TooDeep { limit: slashes::MAX_LEVELS }, span)
            })?,
            false => parts,
        };
        Ok(Word::new(parts, span))
    }

    /// All of the text as one word, whose place is `span`.
    pub(crate) fn whole_word(&mut self, span: Span) -> Parsed<Word> {
        self.begins_at(span.start as usize);
        self.whole_word_of(self.span(0, self.text.len()))
    }

    /// All of the text as one word, which is told to stand at `span`.
    pub(crate) fn whole_word_of(&mut self, span: Span) -> Parsed<Word> {
        let mut parts = self.parts(Within::Brace)?;
        while !self.at_end() {
            // A brace that would end the word elsewhere.
            parts.push(self.literal_up_to(self.pos + 1));
            parts.extend(self.parts(Within::Brace)?);
        }
        Ok(Word::new(parts, span))
    }

    /// All of the text as if it stood in a here-document, whose place is `span`.
    pub(crate) fn whole_text(&mut self, span: Span) -> Parsed<Word> {
        self.begins_at(span.start as usize);
        self.word(Within::Document)
    }

    /// All of the text as the key of an associative array whose quotes belong to it, whose place is `span`.
    pub(crate) fn whole_key(&mut self, span: Span) -> Parsed<Word> {
        self.begins_at(span.start as usize);
        self.word(Within::Key)
    }

    /// An arithmetic expression as far as `within` allows.
    pub(super) fn arithmetic(&mut self, within: Within) -> Parsed<Arithmetic> {
        Ok(Arithmetic { word: self.word(within)?, cached: Default::default() })
    }

    /// The expression of `((...))` or `$((...))`.
    pub(super) fn whole_arithmetic(&mut self, drops_quotes: bool) -> Parsed<Arithmetic> {
        let outer = std::mem::replace(&mut self.in_arithmetic_command, drops_quotes);
        let expression = self.arithmetic(Within::Arithmetic);
        self.in_arithmetic_command = outer;
        expression
    }

    /// # Errors
    /// A bracket in an expression that nothing closes, where the shell minds that as it reads.
    pub(super) fn check_brackets(&self, expression: &Arithmetic) -> Parsed<()> {
        let word = &expression.word;
        match self.dialect.arithmetic_brackets_close && !closes_brackets(&word.parts) {
            true => Err(self.unclosed(word.span.start as usize, 1, "[", "]")),
            false => Ok(()),
        }
    }

    pub(super) fn parts(&mut self, within: Within) -> Parsed<Vec<Part>> {
        let vanishes = within == Within::BraceQuoted && self.dialect.inner_quotes_vanish;
        let vanishing = vanishes.then(Vanishing::default);
        let outer = std::mem::replace(&mut self.vanishing, vanishing);
        let parts = match vanishes {
            true => self.parts_without_quotes(),
            false => self.parts_within(within),
        };
        self.vanishing = outer;
        parts
    }

    fn parts_within(&mut self, within: Within) -> Parsed<Vec<Part>> {
        let mut parts = Vec::new();
        let mut literal = self.pos;
        let (mut open, mut brackets) = (0u32, 0u32);
        let mut hidden = None;
        let mut kept_backslash = None;
        // Where a group has ended, and how far what may follow one there goes on with the pattern.
        let mut grouped = None;
        while let Some(byte) = self.raw() {
            if byte == b'\''
                && within == Within::BraceQuoted
                && self.dialect.single_quotes_hide_brace
                && kept_backslash != Some(self.pos)
            {
                hidden = hidden.is_none().then_some(self.pos);
            }
            if byte == b'<' && within == Within::Word && self.at_number_range() {
                self.pos += range_length(&self.text[self.pos..]).unwrap_or(1);
                continue;
            }
            if let Some((start, end)) = grouped
                && self.goes_on_with_pattern(byte, start, end)
            {
                match byte {
                    b'(' => {
                        self.pattern_group(&mut parts, &mut literal, within)?;
                        grouped = Some((start, self.pos));
                    }
                    _ => self.pos += 1,
                }
                continue;
            }
            if byte != b'}'
                && self.in_pattern == InPattern::AreGroups
                && self.at_pattern_group()
                && self.has_groups(within)
            {
                self.pattern_group(&mut parts, &mut literal, within)?;
                continue;
            }
            if hidden.is_none() && self.ends_run(byte, within, &mut open) {
                break;
            }
            match byte {
                b'[' if within == Within::Arithmetic => brackets += 1,
                b']' => brackets = brackets.saturating_sub(1),
                _ => {}
            }
            if byte == b'\''
                && kept_backslash != Some(self.pos)
                && let Some(behind) = self.behind_hiding_quotes(within, brackets > 0)?
            {
                self.pos = behind;
                continue;
            }
            if !self.is_active(byte, within) {
                self.pos += 1;
                continue;
            }
            if within == Within::Word && self.at_pattern_group() {
                let start = self.pos;
                self.pattern_group(&mut parts, &mut literal, within)?;
                grouped = self.dialect.pattern_options.then_some((start, self.pos));
                continue;
            }
            let here = self.pos;
            match self.active(byte, within)? {
                Active::Itself => {
                    // A backslash that stays hides a bracket all the same.
                    let hides = byte == b'\\'
                        && match (within, self.text.get(here + 1)) {
                            (within, Some(b'[' | b']')) if within.is_index() => true,
                            (Within::Arithmetic, Some(b'(' | b')')) => {
                                self.dialect.arithmetic_backslashes_hide
                            }
                            _ => false,
                        };
                    self.pos = here + 1 + usize::from(hides);
                    kept_backslash = (byte == b'\\').then_some(self.pos);
                }
                found => {
                    self.flush(&mut parts, literal, here);
                    literal = self.pos;
                    parts.extend(found.part());
                }
            }
        }
        if let Some(quote) = hidden {
            return Err(self.unclosed(quote, 1, "'", "'"));
        }
        self.flush(&mut parts, literal, self.pos);
        Ok(parts)
    }

    /// The place behind the single quote here and the one that closes it, where what is between them ends nothing.
    fn behind_hiding_quotes(&self, within: Within, in_brackets: bool) -> Parsed<Option<usize>> {
        let quotes = match within {
            Within::Brackets if self.dialect.keys_hide_in_quotes => HidingQuotes::All,
            Within::ElementKey if self.dialect.element_keys_hide_in_quotes => HidingQuotes::All,
            Within::Arithmetic if !self.in_arithmetic_command => {
                self.dialect.arithmetic_hides_in_quotes
            }
            Within::Offset | Within::Length if self.dialect.offsets_hide_in_quotes => {
                HidingQuotes::All
            }
            _ => HidingQuotes::None,
        };
        match quotes {
            HidingQuotes::None => Ok(None),
            HidingQuotes::InBrackets if in_brackets => {
                Ok(self.quotes_end(self.pos).map(|end| end + 1))
            }
            HidingQuotes::InBrackets => {
                let is_around_one = self.text.get(self.pos + 2) == Some(&b'\'');
                Ok(is_around_one.then_some(self.pos + 3))
            }
            HidingQuotes::All => match self.quotes_end(self.pos) {
                Some(end) => Ok(Some(end + 1)),
                None => Err(self.unclosed(self.pos, 1, "'", "'")),
            },
        }
    }

    /// Ends a literal, which makes several parts where it goes on behind the text of an alias.
    pub(super) fn flush(&self, parts: &mut Vec<Part>, mut start: usize, end: usize) {
        while start < end {
            let reach = self.same_source(start, end);
            let (bytes, span) = (self.text[start..reach].into(), self.span(start, reach));
            parts.push(match self.made_at(start) {
                None => Part::Literal { bytes, span },
                Some(Made::Escape) => Part::AnsiC { bytes, span },
                Some(Made::Sequence) => Part::Generated { bytes, span },
            });
            start = reach;
        }
    }

    /// Whether the unquoted `byte` ends the run; keeps count of open brackets.
    fn ends_run(&self, byte: u8, within: Within, open: &mut u32) -> bool {
        if within == Within::Expression && self.is_in_brackets(byte, open) {
            return false;
        }
        let nested = byte == b'}' && *open > 0 && !self.counts_group();
        let mut closes = |opener, closer| {
            if byte == opener {
                *open += 1;
            } else if byte == closer && *open == 0 {
                return true;
            } else if byte == closer {
                *open -= 1;
            }
            false
        };
        match within {
            Within::Word
                if self.dialect.braces_are_tokens
                    && !self.in_assignment
                    && matches!(byte, b'{' | b'}') =>
            {
                closes(b'{', b'}') && self.braces_end_word(self.pos + 1)
            }
            Within::Word => {
                is_meta(byte) && !self.at_process_substitution() && !self.at_bare_group()
            }
            Within::Brace if self.dialect.braces_nest => {
                let ends_word = is_meta(byte) && self.on_variable && self.ended_early();
                self.nested_closed.set(self.nested_closed.get() || nested);
                ends_word || closes(b'{', b'}')
            }
            Within::Brace
            | Within::BraceQuoted
            | Within::QuotedPattern
            | Within::Replaced
            | Within::QuotedReplaced
                if self.in_pattern == InPattern::HideEnds =>
            {
                let ends = |byte| byte == b'}' || (byte == b'/' && within.is_replaced());
                !closes(b'(', b')') && *open == 0 && ends(byte)
            }
            Within::Brace | Within::BraceQuoted | Within::QuotedPattern => byte == b'}',
            Within::Replaced | Within::QuotedReplaced if self.braces_in_replaced => {
                closes(b'{', b'}') || byte == b'/'
            }
            Within::Replaced | Within::QuotedReplaced => matches!(byte, b'}' | b'/'),
            Within::Offset | Within::QuotingOffset => match self.dialect.offset_end {
                OffsetEnd::First => matches!(byte, b'}' | b':'),
                OffsetEnd::OutsideConditions => {
                    byte == b'}' || closes(b'(', b')') || closes(b'?', b':')
                }
                _ => closes(b'(', b')') || (*open == 0 && matches!(byte, b'}' | b':')),
            },
            Within::Length => closes(b'(', b')') || (*open == 0 && byte == b'}'),
            Within::Double if byte == b'\n' => self.dialect.newlines_end_quotes,
            Within::Double | Within::Unquoted => byte == b'"',
            Within::Document | Within::Key => false,
            Within::Arithmetic => {
                let behind = self.text.get(self.over_continuations(self.pos + 1));
                closes(b'(', b')') && (!self.dialect.arithmetic_is_final || behind == Some(&b')'))
            }
            Within::ArithmeticClause => closes(b'(', b')') || (*open == 0 && byte == b';'),
            Within::Brackets | Within::ElementKey | Within::BracketedText => closes(b'[', b']'),
            Within::RangeStart => {
                closes(b'[', b']') || (*open == 0 && matches!(byte, b',' | b'\n' | b'}'))
            }
            Within::Expression => {
                (closes(b'(', b')') && !self.dialect.regular_takes_closers)
                    || (*open == 0 && self.dialect.regular_ends.as_bytes().contains(&byte))
            }
        }
    }

    /// Whether a byte of a regular expression stands in brackets that hide what would end it, or opens them.
    fn is_in_brackets(&self, byte: u8, open: &mut u32) -> bool {
        if !self.dialect.regular_brackets_hide {
            return false;
        }
        let in_parentheses = !open.is_multiple_of(BRACKET);
        let is_inside = *open >= BRACKET;
        let rest = &self.text[self.pos..];
        match byte {
            // One at the start is a member.
            b']' if is_inside && !self.text[..self.pos].ends_with(b"[") => *open -= BRACKET,
            b'[' if is_inside => *open += if in_parentheses { 0 } else { BRACKET },
            b'[' if rest.iter().take_while(|&&byte| byte != b'\n').any(|&byte| byte == b']') => {
                *open += BRACKET;
                return true;
            }
            _ => {}
        }
        is_inside
    }

    /// Whether the reader of words has met the end of an operation before the braces inside it have closed.
    pub(super) fn ended_early(&self) -> bool {
        self.dialect.first_brace_ends_operation && self.nested_closed.get()
    }

    /// Whether nothing but closing braces stands between here and the end of the word.
    pub(super) fn braces_end_word(&self, from: usize) -> bool {
        let mut at = self.over_continuations(from);
        while self.text.get(at) == Some(&b'}') {
            at = self.over_continuations(at + 1);
        }
        self.text.get(at).is_none_or(|&next| is_meta(next))
    }

    /// Whether the closing brace here says how often the group behind it comes.
    fn counts_group(&self) -> bool {
        let behind = &self.text[self.pos + 1..];
        self.dialect.counted_groups && (behind.starts_with(b"(") || behind.starts_with(b"-("))
    }

    /// Whether the byte can begin something other than literal text.
    fn is_active(&self, byte: u8, within: Within) -> bool {
        match byte {
            b'\\' | b'$' | b'`' => true,
            b'\'' if self.dialect.pattern_quotes_need_pairs && within.is_pattern() => {
                self.closes_in_pattern(byte, within)
            }
            b'\'' if within == Within::Double && self.in_document => {
                self.dialect.document_quotes == DocumentQuotes::SinglesToo
            }
            b'\'' => {
                within.single_quotes()
                    || (self.in_arithmetic_command && within == Within::Arithmetic)
            }
            b'"' if within.is_arithmetic()
                || (within.is_index() && !self.dialect.associative_arrays) =>
            {
                self.dialect.arithmetic_quotes == Quotes::Vanish
                    || (self.in_arithmetic_command && within == Within::Arithmetic)
            }
            b'"' => within.double_quotes(),
            b'<' | b'>' => {
                let in_word = within == Within::Word
                    || (within == Within::Brace && self.dialect.operations_substitute_processes);
                in_word && self.at_process_substitution()
            }
            b'=' => within == Within::Word && self.at_file_substitution(),
            b'(' => within == Within::Word && self.dialect.bare_groups,
            b'?' | b'*' | b'+' | b'@' | b'!' => within == Within::Word && self.extended_patterns,
            b'~' => within == Within::Word && self.dialect.pattern_options,
            b'-' | b'}' if self.dialect.counted_groups && self.extended_patterns => true,
            _ => false,
        }
    }

    /// Whether the quote here has its partner before what ends the pattern of an operation. The double
    /// quotes around it look for their end first: others inside must come in pairs.
    fn closes_in_pattern(&self, quote: u8, within: Within) -> bool {
        let ends = |byte: u8| byte == b'}' || (byte == b'/' && within == Within::QuotedReplaced);
        let rest = &self.text[self.pos + 1..];
        let Some(next) = rest.iter().position(|&byte| byte == quote || ends(byte)) else {
            return false;
        };
        let in_pairs =
            |other: u8| rest[..next].iter().filter(|&&byte| byte == other).count() % 2 == 0;
        rest[next] == quote && in_pairs(b'"') && in_pairs(b'`')
    }

    /// Whether `=(list)` begins here, which it does only at the start of a word.
    fn at_file_substitution(&self) -> bool {
        self.dialect.process_files_are_real
            && self.text[self.pos..].starts_with(b"=(")
            && self.pos.checked_sub(1).is_none_or(|before| is_meta(self.text[before]))
    }

    fn at_process_substitution(&self) -> bool {
        self.dialect.process_substitution
            && self.text[self.pos..].get(..2).is_some_and(|two| two == b"<(" || two == b">(")
    }

    /// Reads what begins with an active byte.
    pub(super) fn active(&mut self, byte: u8, within: Within) -> Parsed<Active> {
        let part = match byte {
            b'\\' => return Ok(self.backslash(within)),
            b'\'' => self.single_quoted()?,
            b'"' => {
                let inner =
                    within == Within::BraceQuoted && self.dialect.inner_backslash_quotes_all;
                let outer = std::mem::replace(&mut self.in_inner_quotes, inner);
                let in_braces = within != Within::Word && self.dialect.inner_quotes_escape_brace;
                let braces = std::mem::replace(&mut self.in_quotes_in_braces, in_braces);
                let quoted = match within {
                    Within::BraceQuoted if self.dialect.inner_quotes_unquote => {
                        self.quotes_within_quotes(self.pos)
                    }
                    _ => self.double_quoted(self.pos),
                };
                (self.in_inner_quotes, self.in_quotes_in_braces) = (outer, braces);
                quoted?
            }
            b'`' if within == Within::Document => {
                self.backquoted(self.dialect.document_backquotes_drop_backslash)?
            }
            b'`' => self.backquoted(within.is_quoted())?,
            b'$' => {
                let end = self.braces_of_document(within)?;
                let part = self.dollar(within)?;
                self.pos = end.map_or(self.pos, |end| end.max(self.pos));
                return Ok(part.map_or(Active::Itself, Active::Part));
            }
            b'<' | b'>' | b'=' => self.process_substitution()?,
            _ => return Ok(Active::Itself),
        };
        Ok(Active::Part(part))
    }

    /// Where the `${...}` of a here-document ends for a shell that pairs the quotes in it first.
    fn braces_of_document(&self, within: Within) -> Parsed<Option<usize>> {
        let pairs = within == Within::Document && self.dialect.braces_are_read_strictly;
        let rest = &self.text[self.pos..];
        let is_command = matches!(rest.get(2), Some(b' ' | b'\t' | b'\n' | b'|'));
        if !pairs || !rest.starts_with(b"${") || is_command {
            return Ok(None);
        }
        match self.braces_end(self.pos + 1, 0) {
            Some(end) => Ok(Some(end + 1)),
            None => Err(self.unclosed(self.pos, 2, "${", "}")),
        }
    }

    /// An opener at `start` that nothing closes.
    pub(super) fn unclosed(
        &self,
        start: usize,
        length: usize,
        opener: &'static str,
        closer: &'static str,
    ) -> SyntaxError {
        let kind = SyntaxErrorKind::Unclosed { opener, closer };
        SyntaxError::new(kind, self.span(start, start + length))
    }

    /// Whether groups are read in the pattern of an operation as in words.
    fn has_groups(&mut self, within: Within) -> bool {
        let ends_early = within.is_replaced() && self.slash_ends_group();
        self.slash_in_group |= ends_early;
        !ends_early
            && (within.is_replaced() || matches!(within, Within::Brace | Within::QuotedPattern))
    }

    /// Whether a slash comes before the end of the group that may begin here: it ends the pattern of a
    /// replacement all the same.
    fn slash_ends_group(&self) -> bool {
        let ends = |byte: &&u8| b"/$`\"'\\".contains(byte);
        let group = self.text[self.pos..].iter().take_while(|byte| **byte != b')');
        group.into_iter().find(ends) == Some(&b'/')
    }

    /// Whether `?(`, `*(`, `+(`, `@(` or `!(` comes next and the shell reads it as a pattern.
    fn at_pattern_group(&self) -> bool {
        let is_sign = |byte: u8| match byte {
            b'?' | b'*' | b'+' | b'@' | b'!' => true,
            b'~' => self.dialect.pattern_options,
            // The ends of `*-(` and `{2}(`; what is no group is a text with parentheses.
            b'-' | b'}' => self.dialect.counted_groups,
            _ => false,
        };
        let signed = self.extended_patterns
            && is_sign(self.text[self.pos])
            && self.text.get(self.over_group_sign()) == Some(&b'(');
        signed || self.at_bare_group()
    }

    /// Whether a parenthesis or a bar goes on with a pattern in which a group began and ended: a parenthesis at once,
    /// and anywhere where only patterns stand; there bars too, in `case` those of regular expressions.
    fn goes_on_with_pattern(&self, byte: u8, start: usize, end: usize) -> bool {
        let options = self.text[start..end].strip_prefix(b"~(");
        let is_expression = options.is_some_and(|options| {
            let letters =
                options.iter().take_while(|byte| byte.is_ascii_alphabetic() || **byte == b'-');
            letters.into_iter().any(|letter| EXPRESSIONS.contains(letter))
        });
        match byte {
            b'(' => self.pos == end || self.pattern_word != PatternWord::No,
            b'|' if self.text.get(self.pos + 1) == Some(&b'|') => false,
            b'|' => match self.pattern_word {
                PatternWord::No => false,
                PatternWord::OfCondition => options.is_some(),
                PatternWord::OfCase => is_expression,
            },
            _ => false,
        }
    }

    /// The place behind the sign of a group, and behind line continuations where those may follow it.
    fn over_group_sign(&self) -> usize {
        match self.dialect.groups_take_continuations {
            true => self.over_continuations(self.pos + 1),
            false => self.pos + 1,
        }
    }

    /// Whether `<1-9>` comes next, where it is a part of a pattern.
    pub(super) fn at_number_range(&self) -> bool {
        self.dialect.number_ranges && range_length(&self.text[self.pos..]).is_some()
    }

    /// Whether `(` comes next and the shell reads it as a part of a pattern.
    pub(super) fn at_bare_group(&self) -> bool {
        self.dialect.bare_groups
            && self.text.get(self.pos) == Some(&b'(')
            && self.text.get(self.pos + 1) != Some(&b')')
    }

    /// `@(a|b)`: the bars and parentheses are text with a meaning for pattern matching. Where bare groups are patterns,
    /// an operator or the end of the text ends one that nothing closes, and only the pattern is found to be bad later.
    fn pattern_group(
        &mut self,
        parts: &mut Vec<Part>,
        literal: &mut usize,
        within: Within,
    ) -> Parsed<()> {
        let start = self.pos;
        if self.text[start] != b'(' {
            self.pos += 1;
            let behind = self.over_continuations(self.pos);
            if behind > self.pos && self.dialect.groups_take_continuations {
                self.flush(parts, *literal, self.pos);
                (*literal, self.pos) = (behind, behind);
            }
        }
        self.pos += 1;
        let brackets = self.dialect.groups_close_brackets;
        let ends_early = self.dialect.bare_groups;
        let mut open = vec![b'('];
        while let Some(byte) = self.raw() {
            match byte {
                b'[' if brackets => {
                    open.push(byte);
                    // In a word one that stands first is a character.
                    let is_first = self.text.get(self.pos + 1) == Some(&b']');
                    self.pos += usize::from(is_first && within == Within::Word);
                }
                b']' if brackets && open.pop() != Some(b'[') => {
                    return self.unexpected("a bracket that opens before it");
                }
                b'}' if brackets => return self.unexpected("the end of the group before it"),
                b')' if open.pop() != Some(b'(') => {
                    return self.unexpected("the end of the bracket expression");
                }
                b'(' => open.push(byte),
                b'\\' | b'$' | b'`' | b'\'' | b'"' => {
                    let here = self.pos;
                    match self.deeper(|parser| parser.active(byte, Within::Brace))? {
                        Active::Itself => self.pos = here + 1,
                        found => {
                            self.flush(parts, *literal, here);
                            *literal = self.pos;
                            parts.extend(found.part());
                        }
                    }
                    continue;
                }
                b'<' if self.at_number_range() => {
                    self.pos += range_length(&self.text[self.pos..]).unwrap_or(1);
                    continue;
                }
                b';' | b'&' | b'<' | b'>' if ends_early => return Ok(()),
                _ => {}
            }
            self.pos += 1;
            if open.is_empty() {
                return Ok(());
            }
        }
        if ends_early {
            return Ok(());
        }
        Err(self.unclosed(start, 2, "pattern group", ")"))
    }
}

/// Whether a byte behind a dollar sign makes an expansion of it.
pub(super) fn begins_expansion(byte: u8) -> bool {
    byte.is_ascii_alphanumeric() || b"_{(@*#?!-$".contains(&byte)
}
