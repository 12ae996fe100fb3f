//! What is done with a parameter between its braces: `:-word`, `#pattern`, `/pattern/text`, `:offset:length`
//! (POSIX XCU 2.6.2, and what the shells have besides).

use crate::dialect::{EmptyOffset, OperationParentheses};
use crate::stop::Reach;
use crate::syntax::ast::{CaseChange, Instead, Operation, Part, Replace, Word};
use crate::syntax::cursor::{Parsed, Parser};
use crate::syntax::slashes;
use crate::syntax::within::{InPattern, Within};

impl Parser<'_> {
    /// What stands behind the name of a parameter, up to the closing brace; `None` where it is no operation.
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
        self.in_pattern = outer;
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

    /// Reads a pattern from here on; answers what to put back behind it.
    fn begin_pattern(&mut self) -> InPattern {
        let parentheses = match () {
            () if self.dialect.pattern_parentheses_hide_ends => InPattern::HideEnds,
            () if self.dialect.groups_close_brackets => InPattern::AreGroups,
            () => InPattern::AreText,
        };
        std::mem::replace(&mut self.in_pattern, parentheses)
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
        let outer = std::mem::replace(&mut self.slash_in_group, false);
        let (pattern, is_spoiled) =
            self.replaced_pattern(matches!(which, Replace::All | Replace::Each), quoted)?;
        // The parentheses on both sides of the slash are those of one group.
        let is_cut = std::mem::replace(&mut self.slash_in_group, outer);
        if !is_cut {
            self.mind_parentheses(&pattern, Operand::Replaced)?;
        }
        let replacement = match self.peek() {
            Some(b'/') => {
                self.pos += 1;
                let quoted = quoted && !self.dialect.replacement_unquotes;
                let mut word =
                    self.word(if quoted { Within::BraceQuoted } else { Within::Brace })?;
                if self.dialect.operation_parentheses == OperationParentheses::Groups && !is_cut {
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
        (self.braces_in_replaced, self.in_pattern) = (outer, outer_pairs);
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
