//! Lists, pipelines and simple commands.

use crate::dialect::{AliasesBehind, AliasesBehindBlank, EmptyBodies, LoneSemicolons};
use crate::syntax::ast::{
    AndOr, Argument, AssignedValue, Assignment, Command, CommandKind, Connector, List, Part,
    Pipeline, Redirect, RedirectTarget, SimpleCommand, Word,
};
use crate::syntax::cursor::{Parsed, Parser, is_meta};
use crate::syntax::error::SyntaxErrorKind;
use crate::syntax::within::Within;

/// Words that a list must not begin a command with: they end it.
const CLOSERS: &[&[u8]] =
    &[b"then", b"else", b"elif", b"fi", b"do", b"done", b"esac", b"}", b";;", b";&", b";;&", b";|"];

impl<'a> Parser<'a> {
    /// The commands up to and with the next newline, or `None` at the end of the text.
    ///
    /// A shell reads and runs its text in such steps; so a syntax error further down comes only
    /// after the commands before it have run.
    ///
    /// # Errors
    /// What the shell of this dialect refuses to read.
    pub fn next_commands(&mut self) -> Parsed<Option<List>> {
        self.skip_newlines()?;
        while self.eat_lone_semicolon()? && matches!(self.peek(), Some(b'\n')) {
            self.skip_newlines()?;
        }
        if self.at_end() {
            self.documents_at_end()?;
            return Ok(None);
        }
        let mut list = List::default();
        loop {
            // The text of an alias may begin with a semicolon.
            if self.replace_aliases_of_closers()?
                && self.eat_lone_semicolon()?
                && matches!(self.peek(), None | Some(b'\n'))
            {
                continue_at_newline(self)?;
                return Ok(Some(list));
            }
            list.items.push(self.and_or()?);
            self.skip_blanks();
            match self.peek() {
                None => {
                    self.documents_at_end()?;
                    return Ok(Some(list));
                }
                Some(b'\n') => {
                    self.newline()?;
                    return Ok(Some(list));
                }
                _ => {}
            }
            if !self.separator(&mut list)? {
                return self.unexpected("a command, or the end of the line").map(Some);
            }
            self.eat_lone_semicolon()?;
            if matches!(self.peek(), None | Some(b'\n')) {
                continue_at_newline(self)?;
                return Ok(Some(list));
            }
        }
    }

    /// Whether a reserved word stands here that begins a compound command.
    pub(super) fn at_compound(&mut self) -> bool {
        const OPENERS: [&[u8]; 7] = [b"if", b"while", b"until", b"for", b"case", b"{", b"select"];
        OPENERS.iter().any(|word| self.at_reserved(word))
    }

    /// # Errors
    /// A word here that begins a compound command.
    pub fn refuse_reserved(&mut self) -> Parsed<()> {
        self.skip_newlines()?;
        match self.at_compound() {
            true => self.unexpected("no reserved word behind a text that ended in a backslash"),
            false => Ok(()),
        }
    }

    /// All commands of the text.
    ///
    /// # Errors
    /// What the shell of this dialect refuses to read.
    pub fn all_commands(&mut self) -> Parsed<List> {
        let list = self.compound_list()?;
        match self.at_end() {
            true => self.documents_at_end().map(|()| list),
            false => self.unexpected("a command"),
        }
    }

    /// Steps over semicolons before which no command stands, where the shell takes that; false if
    /// there is none. Where one semicolon makes an empty command, no compound one may stand behind it.
    fn eat_lone_semicolon(&mut self) -> Parsed<bool> {
        let mut found = false;
        self.skip_blanks();
        while !(found && self.dialect.lone_semicolons == LoneSemicolons::One)
            && self.at_lone_semicolon()
        {
            self.pos += 1;
            self.skip_blanks();
            found = true;
        }
        let only_simple = found && self.dialect.lone_semicolons == LoneSemicolons::One;
        match only_simple && self.begins_compound() {
            true => {
                self.unexpected("a simple command behind the semicolon that has none before it")
            }
            false => Ok(found),
        }
    }

    fn begins_compound(&mut self) -> bool {
        const MORE: [&[u8]; 4] = [b"function", b"time", b"!", b"[["];
        matches!(self.peek(), Some(b'(' | b'<' | b'>'))
            || self.at_compound()
            || MORE.iter().any(|word| self.at_reserved(word))
    }

    pub(super) fn at_lone_semicolon(&mut self) -> bool {
        self.dialect.lone_semicolons != LoneSemicolons::None
            && self.peek() == Some(b';')
            && !self.at_branch_end()
    }

    /// Steps over what is left of the line, after an error that does not end the reading.
    pub fn skip_line(&mut self) {
        let rest = &self.text[self.pos..];
        self.pos += rest.iter().position(|&byte| byte == b'\n').map_or(rest.len(), |at| at + 1);
        self.depth = 0;
        self.pending.clear();
    }

    /// `;` or `&` after an and-or list.
    fn separator(&mut self, list: &mut List) -> Parsed<bool> {
        if self.at_branch_end() || self.at(b"&&") {
            return Ok(false);
        }
        if self.eat(b";") {
            return Ok(true);
        }
        let background = self.at(b"&") && !self.at(b"&&");
        if background
            && !self.dialect.lone_assignments_run_in_background
            && list.items.last().is_some_and(ends_without_words)
        {
            return self.unexpected("a command before &");
        }
        let disowned = self.dialect.disowning_operators && (self.eat(b"&|") || self.eat(b"&!"));
        let coprocess = self.dialect.coprocess_operator && self.eat(b"|&");
        if disowned || coprocess || self.eat(b"&") {
            if let Some(last) = list.items.last_mut() {
                last.background = true;
                last.is_coprocess = coprocess;
            }
            return Ok(true);
        }
        Ok(false)
    }

    /// Commands inside a compound command, up to what closes it. May be empty; the caller says
    /// whether that is allowed.
    pub(super) fn compound_list(&mut self) -> Parsed<List> {
        self.list_of_commands(true)
    }

    /// The commands of a substitution or a condition, where one semicolon is no empty command.
    pub(super) fn strict_list(&mut self) -> Parsed<List> {
        self.list_of_commands(self.dialect.lone_semicolons != LoneSemicolons::One)
    }

    fn list_of_commands(&mut self, lone_semicolons: bool) -> Parsed<List> {
        let mut list = List::default();
        loop {
            self.skip_newlines()?;
            while lone_semicolons && self.eat_lone_semicolon()? && self.raw() == Some(b'\n') {
                self.skip_newlines()?;
            }
            let replaced = self.replace_aliases_of_closers()?;
            if replaced && lone_semicolons && self.at_lone_semicolon() {
                continue;
            }
            if self.at_list_end() {
                return Ok(list);
            }
            list.items.push(self.and_or()?);
            self.skip_blanks();
            if self.raw() == Some(b'\n') {
                continue;
            }
            if !self.separator(&mut list)? {
                let is_word = self.raw().is_some_and(|byte| byte.is_ascii_alphabetic());
                if is_word && self.dialect.closers_need_separators && self.is_behind_closer() {
                    return self.unexpected("a semicolon or a newline");
                }
                return Ok(list);
            }
        }
    }

    /// Whether `fi` or `done` stands directly before this place.
    fn is_behind_closer(&self) -> bool {
        let before = self.text[..self.pos].trim_ascii_end();
        [&b"fi"[..], b"done"].iter().any(|closer| before.ends_with(closer))
    }

    /// A compound list with at least one command, where the shell insists on one.
    pub(super) fn full_list(&mut self) -> Parsed<List> {
        self.skip_newlines()?;
        let may_be_empty =
            self.dialect.empty_bodies != EmptyBodies::Never || self.at_lone_semicolon();
        let list = self.compound_list()?;
        if list.items.is_empty() && !may_be_empty {
            return self.unexpected("a command");
        }
        Ok(list)
    }

    /// A part of `if`.
    pub(super) fn branch_list(&mut self) -> Parsed<List> {
        self.skip_newlines()?;
        let may_be_empty =
            self.dialect.empty_bodies == EmptyBodies::Anywhere || self.at_lone_semicolon();
        match self.full_list()? {
            list if list.items.is_empty() && !may_be_empty => self.unexpected("a command"),
            list => Ok(list),
        }
    }

    /// The list between `if` and `then` and the like.
    pub(super) fn condition_list(&mut self) -> Parsed<List> {
        self.skip_newlines()?;
        if self.at_lone_semicolon() {
            return self.unexpected("a command");
        }
        match self.strict_list()? {
            list if list.items.is_empty() && self.dialect.empty_bodies == EmptyBodies::Never => {
                self.unexpected("a command")
            }
            list => Ok(list),
        }
    }

    fn at_list_end(&mut self) -> bool {
        match self.peek() {
            None | Some(b')') => true,
            Some(b';') => self.at_branch_end(),
            Some(b'e') if self.dialect.short_forms && self.at_reserved(b"end") => true,
            Some(_) => CLOSERS.iter().any(|closer| self.at_reserved(closer)),
        }
    }

    /// Whether this reserved word stands here, as a word of its own.
    pub(super) fn at_reserved(&mut self, word: &[u8]) -> bool {
        self.reserved_end(word).is_some()
    }

    /// Where this reserved word ends, if it stands here.
    fn reserved_end(&mut self, word: &[u8]) -> Option<usize> {
        self.peek();
        let end = match self.text[self.pos..].starts_with(word) {
            true => self.pos + word.len(),
            false => self.continued_end(word)?,
        };
        match word {
            b"}" if self.dialect.braces_are_tokens => {
                return self.braces_end_word(end).then_some(end);
            }
            b"{" if self.dialect.braces_are_tokens => return Some(end),
            b"}" if self.command_braces > 0 => return Some(end),
            // `!(...)` is a pattern where there are groups.
            b"!" if self.text.get(end) == Some(&b'(') && self.extended_patterns => return None,
            _ => {}
        }
        let after = self.over_continuations(end);
        if self.dialect.bare_groups
            && self.text.get(after) == Some(&b'(')
            && self.text.get(after + 1) != Some(&b')')
        {
            // A word with a group in it.
            return None;
        }
        self.text.get(after).is_none_or(|&byte| is_meta(byte)).then_some(end)
    }

    /// Where a word ends that stands here with line continuations in it.
    fn continued_end(&self, word: &[u8]) -> Option<usize> {
        let mut at = self.pos;
        for &byte in word {
            at = self.over_continuations(at);
            if self.text.get(at) != Some(&byte) {
                return None;
            }
            at += 1;
        }
        Some(at)
    }

    pub(super) fn eat_reserved(&mut self, word: &[u8]) -> bool {
        let end = self.reserved_end(word);
        self.pos = end.unwrap_or(self.pos);
        end.is_some()
    }

    pub(super) fn expect_reserved(
        &mut self,
        word: &'static str,
        opener: (usize, &'static str),
    ) -> Parsed<()> {
        self.skip_newlines()?;
        self.replace_aliases_of_closers()?;
        if self.eat_reserved(word.as_bytes()) {
            return Ok(());
        }
        if self.at_end() {
            return Err(self.unclosed(opener.0, opener.1.len(), opener.1, word));
        }
        self.unexpected(word)
    }

    pub(super) fn and_or(&mut self) -> Parsed<AndOr> {
        let start = self.start();
        let first = self.pipeline()?;
        let mut rest = Vec::new();
        loop {
            self.skip_blanks();
            let connector = if self.eat(b"&&") {
                Connector::And
            } else if self.eat(b"||") {
                Connector::Or
            } else {
                break;
            };
            self.skip_newlines()?;
            let is_one =
                self.eat_lone_semicolon()? && self.dialect.lone_semicolons == LoneSemicolons::One;
            if is_one && (!self.at_word() || self.at_list_end()) {
                // The semicolon is a command that does nothing.
                let span = self.span(self.pos, self.pos);
                let commands = Vec::new();
                rest.push((connector, Pipeline { negated: false, timed: false, commands, span }));
                continue;
            }
            if self.at_end() && self.is_main && self.dialect.lone_semicolons == LoneSemicolons::One
            {
                break;
            }
            if self.dialect.connectors_may_end && self.at_list_end() {
                break;
            }
            rest.push((connector, self.pipeline()?));
        }
        let span = self.span(start, self.pos);
        Ok(AndOr { first, rest, background: false, is_coprocess: false, span })
    }

    /// The place of the next token.
    pub(super) fn start(&mut self) -> usize {
        self.skip_blanks();
        self.pos
    }

    /// A simple command that begins at a place, with the place behind the redirections that are read already.
    pub(super) fn simple_command(
        &mut self,
        start: usize,
        mut redirects: Vec<Redirect>,
    ) -> Parsed<Command> {
        let mut end = redirects.last().map_or(start, |_| self.pos);
        let mut command = SimpleCommand::default();
        // `nocorrect` is a reserved word, and about what is typed only.
        while self.dialect.precommand_words
            && redirects.is_empty()
            && self.eat_reserved(b"nocorrect")
        {
            self.skip_blanks();
        }
        loop {
            self.skip_blanks();
            match self.aliases_count_behind(&command, &redirects) {
                true => drop(self.replace_aliases(&[])),
                false => self.replace_aliases_behind_blank(),
            }
            if let Some(redirect) = self.redirect()? {
                self.add_redirect(&mut redirects, redirect)?;
            } else if end > start && self.at_misplaced_reserved(&command) {
                // It closes what is around the assignments, or nothing.
                break;
            } else if self.at_assignment(&command) {
                let first = command.assignments.is_empty() && command.words.is_empty();
                let assignment = self.assignment(first)?;
                self.alone_if_array(&command, &assignment)?;
                match self.counts_behind(&command) {
                    true => command.assignments.push(assignment),
                    false => command.words.push(Argument::Assignment(Box::new(assignment))),
                }
            } else if self.at_word() || (!command.words.is_empty() && self.at_bare_group()) {
                if let Some(latest) = command.assignments.last()
                    && matches!(latest.value, AssignedValue::Array(_))
                    && self.dialect.arrays_stand_alone
                {
                    return self.unexpected("no other word beside an array");
                }
                let outer = self.in_assignment;
                self.in_assignment |= self.at_declared(&command);
                let word = match self.takes_brackets(&command) {
                    true => self.command_word()?,
                    false => self.word(Within::Word)?,
                };
                self.in_assignment = outer;
                let begins_with_brace = matches!(word.parts.first(), Some(Part::Literal { bytes, .. }) if bytes[0] == b'}');
                if begins_with_brace
                    && self.parentheses.1 > 0
                    && self.dialect.lone_braces_are_refused
                {
                    return self.unexpected("quotes around the brace");
                }
                command.words.push(Argument::Word(word));
                let named = command.words.len() == 1 || self.dialect.short_forms;
                if named && self.at_function_parentheses(&command, &redirects) {
                    return self.function_after_name(start, command);
                }
            } else if self.at_hidden_connector(&command) {
                let at = self.pos;
                self.pos += 2;
                let (bytes, span) = (self.text[at..self.pos].into(), self.span(at, self.pos));
                let parts = vec![Part::Literal { bytes, span }];
                command.words.push(Argument::Word(Word::new(parts, span)));
            } else {
                break;
            }
            end = self.pos;
        }
        if end == start {
            return self.unexpected("a command");
        }
        let kind = CommandKind::Simple(command);
        Ok(Command { kind, redirects, span: self.span(start, end) })
    }

    /// Whether a reserved word stands here behind assignments or redirections only, where it counts and may
    /// not stand.
    fn at_misplaced_reserved(&mut self, command: &SimpleCommand) -> bool {
        let reserved = self.dialect.reserved_behind_assignments;
        command.words.is_empty() && reserved.iter().any(|word| self.at_reserved(word.as_bytes()))
    }

    /// Whether the word at this place is the name of the command, behind assignments or redirections, and
    /// is looked up as an alias.
    pub(super) fn aliases_count_behind(
        &self,
        command: &SimpleCommand,
        redirects: &[Redirect],
    ) -> bool {
        let assigned = command.assignments.last().map(|assignment| assignment.span.end);
        let redirected = redirects.last().map(|redirect| redirect.span.end);
        let counts = match self.dialect.aliases_behind {
            AliasesBehind::Both => assigned.or(redirected).is_some(),
            AliasesBehind::Either if assigned.is_some() => assigned > redirected,
            AliasesBehind::Either => redirected.is_some(),
        };
        counts && command.words.is_empty()
    }

    /// Whether `&&` or `||` stands here behind a `[[` that no `]]` has ended, where it is a word then.
    fn at_hidden_connector(&self, command: &SimpleCommand) -> bool {
        if !self.dialect.brackets_hide_connectors || !(self.at(b"&&") || self.at(b"||")) {
            return false;
        }
        let is = |argument: &Argument, text: &[u8]| match argument {
            Argument::Word(word) => word.literal() == Some(text),
            Argument::Assignment(_) => false,
        };
        let latest = command.words.iter().rev().find(|word| is(word, b"[[") || is(word, b"]]"));
        latest.is_some_and(|word| is(word, b"[["))
    }

    /// Refuses `name=(...)` beside another assignment or word, where the shell does.
    fn alone_if_array(&mut self, command: &SimpleCommand, assignment: &Assignment) -> Parsed<()> {
        let array = |one: &Assignment| matches!(one.value, AssignedValue::Array(_));
        let after_array = command.assignments.iter().any(array);
        let beside = !command.words.is_empty() || !command.assignments.is_empty();
        let array_here = array(assignment);
        match self.dialect.arrays_stand_alone && (after_array || (array_here && beside)) {
            true => self.unexpected("no other word beside an array"),
            false => Ok(()),
        }
    }

    /// Whether a word begins here.
    pub(super) fn at_word(&mut self) -> bool {
        match self.peek() {
            None => false,
            Some(b'<') if self.at_number_range() => true,
            Some(byte @ (b'<' | b'>')) => {
                self.dialect.process_substitution
                    && self.peek_ahead(1) == Some(b'(')
                    && is_meta(byte)
            }
            Some(b'}') if self.dialect.braces_are_tokens => !self.braces_end_word(self.pos),
            Some(byte) => !is_meta(byte),
        }
    }

    fn at_function_parentheses(&mut self, command: &SimpleCommand, redirects: &[Redirect]) -> bool {
        if !command.assignments.is_empty() || !redirects.is_empty() {
            return false;
        }
        if self.dialect.function_parentheses_touch {
            self.skip_blanks();
            return self.at(b"()");
        }
        self.skip_blanks();
        self.peek() == Some(b'(')
    }

    /// A word that must be there.
    pub(super) fn expect_word(&mut self, expected: &'static str) -> Parsed<Word> {
        self.skip_blanks();
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        if !self.at_word() {
            return self.unexpected(expected);
        }
        self.word(Within::Word)
    }

    /// Whether these bytes can be assigned to: a name, or the number of a parameter where that is one.
    pub(super) fn names_variable(&self, name: &[u8]) -> bool {
        let numbered = !name.is_empty() && name.iter().all(u8::is_ascii_digit);
        self.dialect.is_name(name) || (numbered && self.dialect.parameters_are_variables)
    }

    /// A name that must be there, with its span.
    pub(super) fn expect_name(&mut self) -> Parsed<(std::rc::Rc<[u8]>, crate::source::Span)> {
        let word = self.expect_word("a name")?;
        match word.literal() {
            Some(name) if self.names_variable(name) => Ok((name.into(), word.span)),
            _ => Err(crate::syntax::error::SyntaxError::new(SyntaxErrorKind::NotAName, word.span)),
        }
    }
}

/// Ends a line of commands: at a newline reads the here-documents, at the end those that are left.
fn continue_at_newline(parser: &mut Parser<'_>) -> Parsed<()> {
    match parser.raw() {
        Some(_) => parser.newline(),
        None => parser.documents_at_end(),
    }
}

/// Whether the last command of a list has nothing but assignments and redirections.
fn ends_without_words(list: &AndOr) -> bool {
    let last = list.rest.last().map_or(&list.first, |(_, pipeline)| pipeline).commands.last();
    last.is_some_and(|command| match &command.kind {
        CommandKind::Simple(simple) => {
            let names = |one: &Redirect| matches!(one.target, Some(RedirectTarget::Variable(_)));
            simple.words.is_empty() && !command.redirects.iter().any(names)
        }
        _ => false,
    })
}
