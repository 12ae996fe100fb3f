//! Definitions of functions (POSIX XCU 2.9.5).

use std::rc::Rc;

use crate::dialect::{KeywordBodies, QuotedNames, WhichFunctions};
use crate::syntax::ast::{Argument, Command, CommandKind, List, SimpleCommand, Word};
use crate::syntax::cursor::{Parsed, Parser, is_meta};
use crate::syntax::error::{SyntaxError, SyntaxErrorKind};
use crate::syntax::within::Within;

impl Parser<'_> {
    /// `name ( ) command`, with the place at the parenthesis.
    pub(super) fn function_after_name(
        &mut self,
        start: usize,
        command: SimpleCommand,
    ) -> Parsed<Command> {
        if self.dialect.functions_refuse_aliases && self.stands_behind_alias(start) {
            let span = self.span(start, self.pos);
            return Err(SyntaxError::new(SyntaxErrorKind::NamedByAlias, span));
        }
        self.eat(b"(");
        self.skip_blanks();
        if !self.eat(b")") {
            return self.unexpected(") of a function definition");
        }
        if self.dialect.functions_have_one_name && command.words.len() > 1 {
            return self.unexpected("one name before ()");
        }
        let mut words = Vec::with_capacity(1);
        for argument in command.words {
            match argument {
                Argument::Word(word) => words.push(word),
                Argument::Assignment(_) => {
                    return Err(SyntaxError::new(
                        SyntaxErrorKind::BadFunctionName,
                        argument.span(),
                    ));
                }
            }
        }
        let kind = self.function_body(words, false)?;
        Ok(Command { kind, redirects: Vec::new(), span: self.span(start, self.pos) })
    }

    pub(super) fn function_keyword(&mut self) -> Parsed<CommandKind> {
        self.skip_blanks();
        if self.body_is_left_away() {
            return Ok(CommandKind::Group(List::default()));
        }
        if self.dialect.short_forms && self.eat(b"()") {
            return self.called_at_once();
        }
        if self.dialect.short_forms && (self.at_reserved(b"{") || self.at_separator()) {
            self.skip_newlines()?;
            return self.called_at_once();
        }
        if self.dialect.short_forms && self.skip_function_options() && self.at_reserved(b"{") {
            return self.called_at_once();
        }
        let mut words = Vec::with_capacity(1);
        while words.is_empty() || (self.dialect.short_forms && self.at_word() && !self.at(b"{")) {
            if self.dialect.names_of_functions_are_aliases {
                self.replace_aliases(&[]);
            }
            words.push(self.expect_word("a name")?);
            self.skip_blanks();
        }
        let adjacent = self.dialect.short_forms;
        let parentheses = self.dialect.keyword_takes_parentheses && self.at_parentheses(adjacent);
        if parentheses {
            self.eat(b"(");
            self.skip_blanks();
            self.eat(b")");
        }
        let bodies = self.dialect.keyword_bodies;
        self.skip_blanks();
        while bodies == KeywordBodies::BracesBehindWords && !self.at(b"{") && self.at_word() {
            let word = self.word(Within::Word)?;
            self.function_name(&word)?;
            self.skip_blanks();
        }
        self.skip_newlines()?;
        let fits = match bodies {
            KeywordBodies::Any => true,
            KeywordBodies::NoSubshell => parentheses || !self.at(b"("),
            KeywordBodies::Compound => parentheses || self.at(b"[[") || self.at_compound(),
            KeywordBodies::Braces | KeywordBodies::BracesBehindWords => self.at_reserved(b"{"),
        };
        match fits {
            true => self.function_body(words, true),
            false => self.unexpected("the body of the function"),
        }
    }

    /// Skips `-T`, which asks for a trace, and `--` behind `function`; answers whether one of them stood there.
    fn skip_function_options(&mut self) -> bool {
        let start = self.pos;
        for option in [b"-T", b"--"] {
            let ends = self.text.get(self.pos + 2).is_some_and(|&next| is_meta(next));
            if ends && self.eat(option) {
                self.skip_blanks();
            }
        }
        self.pos > start
    }

    /// Whether `()` stands here, with blanks between the two unless they must be `adjacent`.
    fn at_parentheses(&mut self, adjacent: bool) -> bool {
        let before = self.pos;
        let mut there = self.eat(b"(");
        if there && !adjacent {
            self.skip_blanks();
        }
        there = there && self.at(b")");
        self.pos = before;
        there
    }

    /// The name of a function; `None` where the shell finds out later that it is none.
    fn function_name(&self, word: &Word) -> Parsed<Option<Rc<[u8]>>> {
        let name = match (word.literal(), self.dialect.quoted_function_names) {
            (None, QuotedNames::Late) => return Ok(None),
            (None, QuotedNames::Taken) => word.fixed().filter(|name| self.dialect.is_name(name)),
            (name, _) => name.map(<[u8]>::to_vec),
        };
        let fits = |name: &Vec<u8>| {
            let reserved = !self.dialect.function_names_are_checked_late
                && self.dialect.reserves_function_name(name);
            let (first, anywhere, last) = self.dialect.function_names_refuse;
            let refused = |byte: Option<&u8>, signs: &str| {
                byte.is_some_and(|byte| signs.as_bytes().contains(byte))
            };
            let is_refused = refused(name.first(), first)
                || name.iter().any(|byte| refused(Some(byte), anywhere))
                || refused(name.last(), last);
            (self.dialect.any_function_name || self.dialect.is_name(name))
                && !reserved
                && !is_refused
        };
        match name.filter(fits) {
            Some(name) => Ok(Some(name.into())),
            None => Err(SyntaxError::new(SyntaxErrorKind::BadFunctionName, word.span)),
        }
    }

    fn function_body(&mut self, mut words: Vec<Word>, keyword: bool) -> Parsed<CommandKind> {
        let mut names = Vec::with_capacity(1);
        let expands = self.dialect.quoted_function_names == QuotedNames::Expanded;
        match expands && !words.iter().all(is_plain_name) {
            true => {}
            false => {
                for word in std::mem::take(&mut words) {
                    names.extend(self.function_name(&word)?);
                }
            }
        }
        self.skip_blanks();
        let (behind_keyword, behind_parentheses) = self.dialect.bodies_may_be_missing;
        let may_miss = if keyword { behind_keyword } else { behind_parentheses };
        let at_end = (may_miss && self.at_end()) || (keyword && self.body_is_left_away());
        if at_end || self.dialect.empty_function_bodies.iter().any(|next| self.at(next.as_bytes()))
        {
            let (kind, span) = (CommandKind::Group(List::default()), self.span(self.pos, self.pos));
            let body = Rc::new(Command { kind, redirects: Vec::new(), span });
            return Ok(CommandKind::Function { names, words, body, keyword });
        }
        self.skip_newlines()?;
        let is_pipeline = !self.dialect.bodies_are_pipelines && self.at_inner_pipeline();
        if is_pipeline || self.at_coprocess() {
            return self.unexpected("a command as the body of the function");
        }
        let spares_brace = match self.dialect.body_braces_before_aliases {
            WhichFunctions::Never => false,
            WhichFunctions::Keyword => keyword,
            WhichFunctions::Always => true,
        };
        let body = match spares_brace && self.at_reserved(b"{") {
            true => self.deeper(Parser::replaced_command)?,
            false => self.deeper(Parser::command)?,
        };
        let compound = !matches!(body.kind, CommandKind::Simple(_) | CommandKind::Function { .. });
        let short = keyword && self.dialect.short_forms && !self.dialect.lone_bodies;
        if !compound && (short || !self.dialect.simple_function_bodies) {
            let kind = SyntaxErrorKind::Unexpected {
                found: "a simple command".into(),
                expected: "a compound command as the body of the function",
            };
            return Err(SyntaxError::new(kind, body.span));
        }
        Ok(CommandKind::Function { names, words, body: Rc::new(body), keyword })
    }
}

/// Whether a word that names a function holds nothing that expansions look at.
fn is_plain_name(word: &Word) -> bool {
    let is_plain = |byte: &u8| byte.is_ascii_alphanumeric() || b"_-.:/@%+,".contains(byte);
    word.literal().is_some_and(|name| name.iter().all(is_plain))
}
