//! Texts are read and carried out line by line, and what a mistake ends.

use std::rc::Rc;

use crate::dialect::{Keywords, OneCommand, ReadsWhole};
use crate::source::{SourceId, SourceKind, Span};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::List;
use crate::syntax::{Parser, SyntaxError};
use crate::walk::tables::Tables;
use crate::walk::{MAX_KEPT, Walker};

/// What bash has in `$?` behind a mistake of the grammar inside `$(...)`, of which others see the last byte.
const INNER_SYNTAX: i32 = 257;

impl Walker {
    /// Reads and carries out a source, one line of commands after the other.
    pub(in crate::walk) fn source(&mut self, id: SourceId) -> Result<(), Stop> {
        let (bytes, dialect) =
            (self.state.sources.get(id).bytes.clone(), self.state.dialect.clone());
        let tables = Tables::new(dialect.clone());
        let mut counts = dialect.clone();
        let mut parser = Parser::new(&bytes, id, &dialect);
        parser.is_main = id == SourceId::MAIN;
        let reads_whole = match (dialect.reads_whole, &self.state.sources.get(id).kind) {
            (ReadsWhole::ButFiles, kind) => {
                !matches!(kind, SourceKind::File(_) | SourceKind::Built("."))
            }
            (ReadsWhole::InnerTexts, kind) => matches!(kind, SourceKind::Built("." | "eval")),
            (ReadsWhole::Nothing, _) => false,
        };
        let mut read = Vec::new();
        if reads_whole {
            self.prepare(&mut parser);
            while let Some(list) = parser.next_commands()? {
                read.push(list);
            }
            return read.iter().try_for_each(|list| self.line_of_commands(list, id));
        }
        loop {
            // What a line switches on counts from the next line on.
            if !Rc::ptr_eq(&counts, &self.state.dialect) {
                counts = self.state.dialect.clone();
                parser.set_dialect(tables.like(&counts));
            }
            self.prepare(&mut parser);
            if std::mem::take(&mut self.behind_backslash) {
                parser.refuse_reserved()?;
            }
            let list = match parser.next_commands() {
                Err(error) if id != SourceId::MAIN && self.ends_shell(&error) => {
                    let (message, span) = (error.to_string(), error.span);
                    let status = if self.state.doing.depth > 0 { 1 } else { INNER_SYNTAX };
                    let error = ShellError::new(message, span, status, Reach::Shell);
                    return Err(Stop::Shell(ShellError { exits: true, ..error }));
                }
                Err(error) if error.ends_line => {
                    parser.skip_line();
                    self.survive(ShellError::new(error.to_string(), error.span, 1, Reach::Line));
                    continue;
                }
                list => list?,
            };
            let Some(list) = list else { return Ok(()) };
            match self.line_of_commands(&list, id) {
                Err(Stop::Shell(error)) if id == SourceId::MAIN && self.ends_line(&error) => {
                    self.survive(error);
                }
                Err(Stop::Shell(error)) if id == SourceId::MAIN && self.goes_on_behind(&error) => {
                    let failed = self.state.status != 0 && !error.is_read_only;
                    let status = if failed { self.state.status } else { error.status };
                    self.survive(ShellError { status, ..error });
                }
                outcome => outcome?,
            }
            if id == SourceId::MAIN && self.state.letter_is_on(b't') && self.one_command_ends() {
                return Err(Stop::Exit(self.state.status));
            }
        }
    }

    /// Whether a mistake of the grammar in a text that is carried out inside another one ends the shell, or the
    /// subshell that carries it out.
    fn ends_shell(&self, error: &SyntaxError) -> bool {
        let dialect = &self.state.dialect;
        let ends_line_only = !dialect.eval_syntax_is_fatal && self.state.doing.depth == 0;
        dialect.inner_syntax_ends_shells
            && (error.ends_shell || (error.ends_line && !ends_line_only))
    }

    /// Whether the shell ends behind a line of commands under `set -t`.
    fn one_command_ends(&self) -> bool {
        match self.state.dialect.one_command {
            OneCommand::Never => false,
            OneCommand::Scripts => self.is_script(),
            OneCommand::All => true,
        }
    }

    /// Whether the shell reads a script, and not the text behind `-c`.
    pub(in crate::walk) fn is_script(&self) -> bool {
        self.state.is_script()
    }

    /// The place behind the last byte of the text that is traced.
    pub(in crate::walk) fn end_of_script(&self) -> Span {
        let end = self.state.sources.get(SourceId::MAIN).bytes.len() as u32;
        Span { source: SourceId::MAIN, start: end, end }
    }

    /// Whether a mistake that ends the text of `-c` ends a line only, since that is a script.
    pub(in crate::walk) fn ends_line(&self, error: &ShellError) -> bool {
        error.ends_text && self.is_script() && self.state.dialect.scripts_survive_indexes
    }

    /// Whether a script goes on in the next line behind a mistake that ends the shell (zsh: `continueonerror`).
    fn goes_on_behind(&self, error: &ShellError) -> bool {
        let options = &self.state.options;
        options.is_toggled(b"continueonerror")
            && self.is_script()
            && !error.exits
            && !options.exit_on_error
    }

    /// Whether no mistake is held now.
    pub(in crate::walk) fn mistakes_go_through(&self) -> bool {
        self.state.dialect.guarded_mistakes_end_shell
            && (self.state.options.exit_on_error || self.state.traps.contains_key(&b"EXIT"[..]))
    }

    /// Tells the parser what counts now.
    pub(in crate::walk) fn prepare(&self, parser: &mut Parser<'_>) {
        parser.set_extended_patterns(self.state.options.extended_glob);
        let read = matches!(self.state.dialect.keywords, Keywords::Read | Keywords::ReadEverywhere);
        parser.set_keywords(read && self.state.letter_is_on(b'k'));
        parser.set_aliases(self.state.known_aliases());
    }

    /// Whether a mistake that ends a line of this text ends the subshell that carries it out.
    fn ends_subshell(&self, id: SourceId) -> bool {
        self.state.dialect.inner_mistakes_end_subshells
            && self.state.doing.depth > 0
            && matches!(self.state.sources.get(id).kind, SourceKind::Built("." | "eval"))
    }

    /// Carries out the commands of one line, as the shell reads lines.
    fn line_of_commands(&mut self, list: &List, id: SourceId) -> Result<(), Stop> {
        self.bodies += 1;
        if self.state.options.no_exec {
            return Ok(());
        }
        let outcome = match id == SourceId::MAIN {
            true => self.line_with_last_argument(list),
            false => self.list(list),
        };
        match outcome {
            Err(Stop::Shell(error)) if error.reach == Reach::Line => {
                let ends = self.state.dialect.exit_on_error_minds_mistakes;
                if ends && self.state.options.exit_on_error && !error.is_number {
                    return Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }));
                }
                if self.ends_subshell(id) {
                    let (reach, exits) = (Reach::Shell, true);
                    return Err(Stop::Shell(ShellError { reach, exits, ..error }));
                }
                let status = match self.state.dialect.inner_mistake_status {
                    Some(status) if id != SourceId::MAIN => status,
                    _ => error.status,
                };
                self.survive(ShellError { status, ..error });
            }
            outcome => outcome?,
        }
        Ok(())
    }

    /// Goes on after an error that does not end the shell.
    pub(in crate::walk) fn survive(&mut self, mut error: ShellError) {
        self.tell_mistake(&mut error);
        self.state.status = error.status;
        self.keep_mistake(error);
    }

    /// The same of a mistake that is only told, but ends the shell under `set -e` where that minds those.
    pub(in crate::walk) fn survive_told(&mut self, error: ShellError) -> Result<(), Stop> {
        if self.state.dialect.told_mistakes_end_shells && self.state.options.exit_on_error {
            return Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }));
        }
        self.survive(error);
        Ok(())
    }

    /// Keeps an error that did not end the shell; of very many the first ones.
    pub(in crate::walk) fn keep_mistake(&mut self, error: ShellError) {
        if self.mistakes.len() < MAX_KEPT {
            self.mistakes.push(error);
        }
    }

    /// Carries out a text that was put together or read while running.
    pub(in crate::walk) fn deeper_source(&mut self, id: SourceId, span: Span) -> Result<(), Stop> {
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("texts carried out inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span });
        }
        let limit = self.state.limits.recorded;
        if self.state.sources.built_weight() > limit {
            let (what, limit) = ("bytes of texts put together while running", limit as u64);
            return Err(Stop::Limit { what, limit, span });
        }
        self.depth += 1;
        let command = self.state.doing.command.clone();
        let outcome = self.source(id);
        self.state.doing.command = command;
        self.depth -= 1;
        outcome
    }
}
