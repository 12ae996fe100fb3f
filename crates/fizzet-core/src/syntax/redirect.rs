//! Redirections and here-documents (POSIX XCU 2.7).

use std::cell::OnceCell;
use std::rc::Rc;

use crate::dialect::{Continued, DelimiterTabs, DocumentEnd, JoinedLines, OpenDocuments};
use crate::state::element_name;
use crate::syntax::ast::{
    Operation, Parameter, ParameterName, Part, Redirect, RedirectOperator, RedirectTarget, Word,
};
use crate::syntax::cursor::{Parsed, Parser, PendingDocument, Segment};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::within::Within;

/// What is wrong with a here-document whose delimiter does not come.
const UNCLOSED_DOCUMENT: SyntaxErrorKind =
    SyntaxErrorKind::Unclosed { opener: "here-document", closer: "a line with its delimiter" };

const OPERATORS: &[(&[u8], RedirectOperator)] = &[
    (b"<<<", RedirectOperator::HereString),
    (b"<<-", RedirectOperator::HereDocumentTabs),
    (b"<<", RedirectOperator::HereDocument),
    (b"<&", RedirectOperator::DuplicateInput),
    (b"<>", RedirectOperator::ReadWrite),
    (b"<", RedirectOperator::Input),
    (b"&>>", RedirectOperator::BothAppend),
    (b"&>|", RedirectOperator::BothClobber),
    (b"&>&", RedirectOperator::BothDuplicate),
    (b"&>", RedirectOperator::Both),
    (b">>", RedirectOperator::Append),
    (b">&", RedirectOperator::DuplicateOutput),
    (b">|", RedirectOperator::Clobber),
    (b">", RedirectOperator::Output),
];

/// The two redirections that `&>&3` stands for: `>&3 2>&1`, and `>&- 2>&-` for `&>&-`.
fn two_copies(redirect: Redirect) -> [Redirect; 2] {
    let (span, at, operator) =
        (redirect.span, redirect.word.span, RedirectOperator::DuplicateOutput);
    let copied = match redirect.word.literal() {
        Some(b"-") => &b"-"[..],
        _ => b"1",
    };
    let second = Redirect {
        target: Some(RedirectTarget::Descriptor(2)),
        operator,
        word: Word::new(vec![Part::Literal { bytes: copied.into(), span: at }], at),
        body: None,
        span,
    };
    [Redirect { operator, ..redirect }, second]
}

impl<'a> Parser<'a> {
    /// A redirection, if one begins here.
    pub(super) fn redirect(&mut self) -> Parsed<Option<Redirect>> {
        let Some(first) = self.peek() else { return Ok(None) };
        let start = self.pos;
        if first == b'<' && self.at_number_range() {
            return Ok(None);
        }
        let target = match first {
            b'0'..=b'9' => self.descriptor(),
            b'{' if self.dialect.named_descriptors => self.named_descriptor(),
            b'<' | b'>' | b'&' => None,
            _ => return Ok(None),
        };
        let Some(operator) = self.redirect_operator(target.is_some()) else {
            self.pos = start;
            return Ok(None);
        };
        self.skip_blanks();
        let is_document =
            matches!(operator, RedirectOperator::HereDocument | RedirectOperator::HereDocumentTabs);
        let delimits_itself = is_document
            && self.dialect.document_sign_delimits
            && matches!(self.raw(), None | Some(b'\n'));
        let word = match delimits_itself {
            true => self.document_sign(),
            false if self.at_next_descriptor(operator) => {
                return self.unexpected("a file name or delimiter, with a blank behind it");
            }
            false if self.at_lone_dash(operator) => {
                self.pos += 1;
                let span = self.span(self.pos - 1, self.pos);
                Word::new(vec![Part::Literal { bytes: b"-"[..].into(), span }], span)
            }
            false => self.expect_word("a file name or delimiter")?,
        };
        let body = is_document.then(|| Rc::new(OnceCell::new()));
        let redirect = Redirect { target, operator, word, body, span: self.span(start, self.pos) };
        if is_document {
            let (mut delimiter, quoted) = self.delimiter(&redirect.word);
            if quoted && self.dialect.expansions_spoil_delimiters && !is_written_out(&redirect.word)
            {
                // No line is the delimiter.
                delimiter.push(b'\n');
            }
            let opens_nothing = delimiter.is_empty() && self.dialect.empty_delimiters_open_nothing;
            if opens_nothing {
                delimiter.push(b'\n');
            }
            self.await_document(&redirect, delimiter, quoted)?;
            if opens_nothing {
                let operator = RedirectOperator::Input;
                return Ok(Some(Redirect { operator, body: None, ..redirect }));
            }
        }
        Ok(Some(redirect))
    }

    /// Whether a dash stands here that is all of the word, whatever is behind it.
    fn at_lone_dash(&self, operator: RedirectOperator) -> bool {
        let copies = matches!(
            operator,
            RedirectOperator::DuplicateInput | RedirectOperator::DuplicateOutput
        );
        copies && self.dialect.closing_dashes_end_words && self.raw() == Some(b'-')
    }

    /// Whether digits stand here that are the descriptor of the next redirection, and no name of a file (POSIX XCU 2.10.1:
    /// IO_NUMBER).
    fn at_next_descriptor(&mut self, operator: RedirectOperator) -> bool {
        let copies = matches!(
            operator,
            RedirectOperator::DuplicateInput | RedirectOperator::DuplicateOutput
        );
        !(copies && self.dialect.copies_take_numbers) && self.at_descriptor()
    }

    /// Whether digits stand here that a redirection follows directly.
    pub(super) fn at_descriptor(&mut self) -> bool {
        let start = self.pos;
        let is_descriptor = matches!(self.raw(), Some(b'0'..=b'9')) && self.descriptor().is_some();
        self.pos = start;
        is_descriptor
    }

    /// The delimiter of a here-document behind whose sign the line ends: the sign itself.
    fn document_sign(&self) -> Word {
        let span = self.span(self.pos, self.pos);
        Word::new(vec![Part::Literal { bytes: b"<<"[..].into(), span }], span)
    }

    /// Adds a redirection to those of a command, which the shell may have too many of.
    pub(super) fn add_redirect(
        &self,
        redirects: &mut Vec<Redirect>,
        redirect: Redirect,
    ) -> Parsed<()> {
        if let Some(most) = self.dialect.most_redirects
            && redirects.iter().chain([&redirect]).map(Redirect::weight).sum::<usize>() > most
        {
            let kind = SyntaxErrorKind::Unexpected {
                found: "one redirection more".into(),
                expected: "no more than the shell takes on one command",
            };
            return Err(SyntaxError::new(kind, redirect.span));
        }
        match redirect.operator {
            RedirectOperator::BothDuplicate => redirects.extend(two_copies(redirect)),
            _ => redirects.push(redirect),
        }
        Ok(())
    }

    fn redirect_operator(&mut self, has_target: bool) -> Option<RedirectOperator> {
        for &(text, operator) in OPERATORS {
            let is_known = match operator {
                RedirectOperator::Both => self.dialect.redirect_both && !has_target,
                RedirectOperator::BothDuplicate => self.dialect.copy_both && !has_target,
                RedirectOperator::BothAppend => self.dialect.append_both && !has_target,
                RedirectOperator::BothClobber => self.dialect.overwrite_with_both && !has_target,
                RedirectOperator::HereString => self.dialect.here_strings,
                _ => true,
            };
            if !is_known {
                continue;
            }
            let process = self.dialect.process_substitution
                && matches!(text, b"<" | b">")
                && self.peek_ahead(1) == Some(b'(');
            if !process && self.eat(text) {
                return Some(match self.dialect.overwriting_marks {
                    true => self.marked(operator),
                    false => operator,
                });
            }
        }
        None
    }

    /// The operator with the marks that may stand behind it.
    fn marked(&mut self, operator: RedirectOperator) -> RedirectOperator {
        let operator = match operator {
            RedirectOperator::Append if self.eat(b"&") => RedirectOperator::BothAppend,
            operator => operator,
        };
        let marked = match operator {
            RedirectOperator::Output => RedirectOperator::Clobber,
            RedirectOperator::DuplicateOutput | RedirectOperator::Both => {
                RedirectOperator::BothClobber
            }
            RedirectOperator::Append | RedirectOperator::BothAppend => operator,
            _ => return operator,
        };
        match self.eat(b"|") || self.eat(b"!") {
            true => marked,
            false => operator,
        }
    }

    /// A number directly before `<` or `>`.
    fn descriptor(&mut self) -> Option<RedirectTarget> {
        let mut at = self.pos;
        let mut number = 0u32;
        while let Some(digit @ b'0'..=b'9') = self.text.get(at) {
            number = number.saturating_mul(10).saturating_add(u32::from(digit - b'0'));
            at += 1;
            if self.dialect.descriptors_take_continuations {
                at = self.over_continuations(at);
            }
        }
        let fits = self.dialect.long_descriptors || number <= 9;
        if !fits || !matches!(self.text.get(at), Some(b'<' | b'>')) {
            return None;
        }
        self.pos = at;
        Some(RedirectTarget::Descriptor(number))
    }

    /// `{name}` before `<` or `>`.
    fn named_descriptor(&mut self) -> Option<RedirectTarget> {
        let rest = &self.text[self.pos..];
        let close = rest.iter().take(256).position(|&byte| byte == b'}')?;
        let name = rest.get(1..close).filter(|name| self.names_descriptor(name))?;
        let blanks = match self.dialect.named_descriptors_take_blanks {
            true => {
                rest[close + 1..].iter().take_while(|byte| matches!(byte, b' ' | b'\t')).count()
            }
            false => 0,
        };
        if !matches!(rest.get(close + 1 + blanks), Some(b'<' | b'>')) {
            return None;
        }
        let name = name.into();
        self.pos += close + 1 + blanks;
        Some(RedirectTarget::Variable(name))
    }

    fn names_descriptor(&self, name: &[u8]) -> bool {
        let element = || element_name(name).is_some_and(|(array, _)| self.dialect.is_name(array));
        self.dialect.is_name(name) || (self.dialect.elements_name_descriptors && element())
    }

    /// The delimiter with its quotes removed, and whether it had any.
    fn delimiter(&self, word: &Word) -> (Vec<u8>, bool) {
        let mut delimiter = Vec::new();
        let mut quoted = false;
        for part in &word.parts {
            match part {
                Part::Literal { bytes, .. } | Part::Generated { bytes, .. } => {
                    delimiter.extend_from_slice(bytes)
                }
                Part::Escaped { bytes, .. }
                | Part::Single { bytes, .. }
                | Part::AnsiC { bytes, .. } => {
                    quoted = true;
                    delimiter.extend_from_slice(bytes);
                }
                Part::Double { parts, .. } => {
                    quoted = true;
                    let inner = Word::new(parts.clone(), word.span);
                    delimiter.extend(self.delimiter(&inner).0);
                }
                // Nothing is expanded in a delimiter: it counts as written.
                other => delimiter.extend_from_slice(self.written(other)),
            }
        }
        (delimiter, quoted)
    }

    fn written(&self, part: &Part) -> &[u8] {
        let span = part.span();
        let length = span.len();
        let end = self.pos;
        let start = (0..=end).rev().find(|&at| self.span(at, at).start == span.start);
        start.map_or(&[], |at| &self.text[at..(at + length).min(self.text.len())])
    }

    /// Reads the bodies of the here-documents that wait; stands behind the newline. `behind_compound`: whether a compound
    /// command has ended directly before that.
    pub(super) fn here_documents(&mut self, behind_compound: bool) -> Parsed<()> {
        let must_close = self.dialect.unclosed_document_is_fatal
            || (behind_compound && self.dialect.compounds_close_documents);
        for document in std::mem::take(&mut self.pending) {
            let mut body = Vec::new();
            let mut segments = vec![self.line_segment(self.pos, 0)];
            let mut found = false;
            while self.pos < self.text.len() {
                let line_start = self.pos;
                let rest = &self.text[line_start..];
                let length = rest.iter().position(|&byte| byte == b'\n').unwrap_or(rest.len());
                let line = &rest[..length];
                self.pos = (line_start + length + 1).min(self.text.len());
                let tabs = match document.strip_tabs {
                    true => line.iter().take_while(|&&byte| byte == b'\t').count(),
                    false => 0,
                };
                if document.is_ended_by(line, tabs, self.dialect.tabs_before_delimiter) {
                    found = true;
                    break;
                }
                if let Some(end) = self.end_on_continued_line(&document, line_start) {
                    self.pos = end;
                    found = true;
                    break;
                }
                if let Some(rest) = line[tabs..].strip_prefix(&document.delimiter[..])
                    && self.ends_document(rest)
                {
                    self.pos = line_start + length - rest.len();
                    found = true;
                    break;
                }
                if tabs > 0 {
                    segments.push(self.line_segment(line_start + tabs, body.len()));
                }
                let begin = body.len();
                if !document.quoted && self.dialect.documents_see_substitutions {
                    self.behind_substitutions(line_start + tabs);
                }
                body.extend_from_slice(&self.text[line_start + tabs..self.pos]);
                // A continued line is one line: its end is no place for the delimiter.
                while !document.quoted && ends_in_continuation(&body) && self.pos < self.text.len()
                {
                    let is_bare = document.strip_tabs && body[begin..] == *b"\\\n";
                    self.join_line(is_bare.then_some(tabs), &mut body, &mut segments);
                }
                if tabs > 0 {
                    segments.push(self.line_segment(self.pos, body.len()));
                }
            }
            if !found && must_close {
                return Err(SyntaxError::new(UNCLOSED_DOCUMENT, document.opener));
            }
            let is_open = !body.is_empty() && !body.ends_with(b"\n");
            let mut word = self.document_body(body, segments, document.quoted)?;
            if is_open && self.dialect.last_lines_of_documents_end {
                let end = Part::Generated { bytes: b"\n"[..].into(), span: word.span };
                let parts = std::mem::take(&mut word.parts);
                word = Word::new(parts.into_iter().chain([end]).collect(), word.span);
            }
            // The cell was made for this document alone, so it is still empty.
            let _ = document.cell.set(word);
        }
        Ok(())
    }

    /// Takes the line at this place into a document whose last line goes on with it. `bare`: how many tabs have vanished
    /// before the backslash, where that is all there is of the line so far and tabs vanish.
    fn join_line(&mut self, bare: Option<usize>, body: &mut Vec<u8>, segments: &mut Vec<Segment>) {
        let joined = self.dialect.joined_lines_of_documents;
        let is_text = joined == JoinedLines::InTurn && bare.is_some_and(|tabs| tabs > 0);
        if is_text || joined.is_first() || (bare.is_some() && joined == JoinedLines::InTurn) {
            body.truncate(body.len() - CONTINUATION);
        }
        if is_text {
            body.extend_from_slice(b"\\\\\n");
        } else if bare.is_some() && matches!(joined, JoinedLines::InTurn | JoinedLines::First) {
            self.pos += self.text[self.pos..].iter().take_while(|&&byte| byte == b'\t').count();
        }
        segments.push(self.line_segment(self.pos, body.len()));
        let rest = &self.text[self.pos..];
        let length = rest.iter().position(|&b| b == b'\n').map_or(rest.len(), |n| n + 1);
        body.extend_from_slice(&rest[..length]);
        self.pos += length;
    }

    /// Puts the place behind the line in which the last of the command substitutions ends that begin in the line at
    /// `from`, which ends here.
    fn behind_substitutions(&mut self, from: usize) {
        let mut at = from;
        while at < self.pos {
            let line_end = self.pos;
            match self.text[at..] {
                [b'\\', _, ..] => at += 2,
                [b'$', b'(', ..] | [b'`', ..] => {
                    let is_old = self.text[at] == b'`';
                    let waiting = std::mem::take(&mut self.pending);
                    self.pos = at + usize::from(!is_old);
                    let read = match is_old {
                        true => self.backquoted(true),
                        false => self.dollar_parenthesis(at),
                    };
                    self.pending = waiting;
                    // What cannot be read is found when the document is.
                    at = if read.is_ok() { self.pos } else { line_end };
                    let end = self.text[at..].iter().position(|&byte| byte == b'\n');
                    let behind = end.map_or(self.text.len(), |end| at + end + 1);
                    self.pos = if at > line_end { behind } else { line_end };
                }
                _ => at += 1,
            }
        }
    }

    /// The place behind the delimiter where lines that are continued from here on make it up together.
    fn end_on_continued_line(&self, document: &PendingDocument, start: usize) -> Option<usize> {
        let rest = &self.text[start..];
        let joins = self.dialect.continued_delimiters;
        let length = rest.iter().position(|&byte| byte == b'\n')?;
        if document.quoted || joins == Continued::Never || !rest[..length].ends_with(b"\\") {
            return None;
        }
        let (mut joined, mut at) = (Vec::new(), 0);
        loop {
            let line = rest[at..].split(|&byte| byte == b'\n').next()?;
            at = (at + line.len() + 1).min(rest.len());
            let part = match line {
                [before @ .., b'\\'] if ends_in_continuation(&[line, b"\n"].concat()) => before,
                whole => {
                    joined.extend_from_slice(whole);
                    break;
                }
            };
            if joins == Continued::AtStart && !(part.is_empty() && joined.is_empty()) {
                return None;
            }
            joined.extend_from_slice(part);
            if at == rest.len() {
                break;
            }
        }
        let first = if joins == Continued::BehindTabs { &rest[..length - 1] } else { &joined[..] };
        let tabs = first.iter().take_while(|&&byte| byte == b'\t').count();
        let tabs = if document.strip_tabs { tabs } else { 0 };
        (joined[tabs..] == document.delimiter[..]).then_some(start + at)
    }

    /// Whether a delimiter with this behind it on its line ends a here-document, and the rest is read on.
    fn ends_document(&self, rest: &[u8]) -> bool {
        match self.dialect.document_end {
            DocumentEnd::Line => false,
            DocumentEnd::BeforeParenthesis => rest.starts_with(b")"),
            DocumentEnd::BeforeCloser => self.parentheses.0 > 0 && rest.starts_with(b")"),
            DocumentEnd::InSubstitution => self.parentheses.1 > 0 && rest.contains(&b')'),
        }
    }

    /// Here-documents that still wait where a substitution ends. `alone`: whether none waits from before it.
    pub(super) fn left_open(&mut self, alone: bool) -> Parsed<()> {
        match self.dialect.documents_left_open {
            OpenDocuments::Behind => Ok(()),
            OpenDocuments::RefusedAlone if !alone => Ok(()),
            OpenDocuments::Empty => {
                for document in std::mem::take(&mut self.pending) {
                    let segments = vec![self.line_segment(self.pos, 0)];
                    let word = self.document_body(Vec::new(), segments, document.quoted)?;
                    let _ = document.cell.set(word);
                }
                Ok(())
            }
            OpenDocuments::Refused | OpenDocuments::RefusedAlone => match self.pending.first() {
                Some(document) => Err(SyntaxError::new(UNCLOSED_DOCUMENT, document.opener)),
                None => Ok(()),
            },
        }
    }

    /// Here-documents that still wait when the text ends.
    pub(super) fn documents_at_end(&mut self) -> Parsed<()> {
        self.here_documents(false)
    }

    fn line_segment(&self, at: usize, in_body: usize) -> Segment {
        let span = self.span(at, at);
        Segment::written(in_body, span)
    }

    /// Whether a mistake in a here-document is only found when the command is carried out.
    fn finds_out_late(&self, error: &SyntaxError) -> bool {
        let is_open = matches!(error.kind, SyntaxErrorKind::Unclosed { opener: "${", .. });
        self.dialect.unreadable_document_status.is_some()
            && (is_open || !self.dialect.documents_are_read_but_for_braces)
    }

    fn document_body(
        &mut self,
        body: Vec<u8>,
        segments: Vec<Segment>,
        quoted: bool,
    ) -> Parsed<Word> {
        let mut inner = self.inner(body, segments);
        if quoted {
            let end = inner.text.len();
            let span = inner.span(0, end);
            let bytes = inner.text.into_owned().into();
            return Ok(Word::new(vec![Part::Single { bytes, span }], span));
        }
        inner.in_document = true;
        let end = inner.text.len();
        match inner.word(Within::Document) {
            Err(error) if self.finds_out_late(&error) => {
                let unreadable = Parameter {
                    name: ParameterName::Variable([].into()),
                    index: None,
                    operation: Operation::Unreadable {
                        why: error.to_string().into(),
                        ends: self.dialect.unreadable_documents_end,
                    },
                    braced: true,
                    runs_on: false,
                    span: error.span,
                };
                let parts = vec![Part::Parameter(Box::new(unreadable))];
                Ok(Word::new(parts, inner.span(0, end)))
            }
            read => read,
        }
    }
}

impl PendingDocument {
    /// Whether a line without its first tabs is the delimiter, which may begin with tabs itself.
    fn is_ended_by(&self, line: &[u8], tabs: usize, rule: DelimiterTabs) -> bool {
        let delimiter = &self.delimiter[..];
        let own = delimiter.iter().take_while(|&&byte| byte == b'\t').count();
        line[tabs..] == *delimiter
            || (self.strip_tabs
                && own > 0
                && match rule {
                    DelimiterTabs::Never => false,
                    DelimiterTabs::AsWritten => line == delimiter,
                    DelimiterTabs::Stripped => line[tabs..] == delimiter[own..],
                })
    }
}

/// How many bytes a backslash and a newline are.
const CONTINUATION: usize = 2;

/// Whether the body ends in a newline that a backslash takes away.
fn ends_in_continuation(body: &[u8]) -> bool {
    let Some(before) = body.strip_suffix(b"\n") else { return false };
    let slashes = before.iter().rev().take_while(|&&byte| byte == b'\\').count();
    slashes % 2 == 1
}

/// Whether a word holds nothing but text and quotes.
fn is_written_out(word: &Word) -> bool {
    let written_out = |part: &Part| match part {
        Part::Literal { .. }
        | Part::Generated { .. }
        | Part::Escaped { .. }
        | Part::Single { .. }
        | Part::AnsiC { .. } => true,
        Part::Double { parts, .. } => is_written_out(&Word::new(parts.clone(), word.span)),
        _ => false,
    };
    word.parts.iter().all(written_out)
}
