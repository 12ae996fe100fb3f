//! Simple commands: words become a vector, assignments and redirections are made, and the command is carried
//! out.

use std::rc::Rc;

use crate::dialect::{Apart, Keywords, LastArgument, UtilityKind};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::assignment_of;
use crate::syntax::ast::{
    AssignedValue, Assignment, Part, Redirect, RedirectOperator, SimpleCommand, Word,
};
use crate::text::Text;
use crate::trace::{CommandKind, RedirectTrace};
use crate::walk::Walker;
use crate::walk::arguments::literal;
use crate::walk::assign::{Assigned, Lasting};
use crate::walk::making::Made;
use crate::walk::vector::{Ready, drop_options_of_time};

impl Walker {
    /// The command with all words in front that look like assignments, where `set -k` counts now.
    pub(super) fn with_keywords(&self, command: &SimpleCommand) -> Option<SimpleCommand> {
        let dialect = &self.state.dialect;
        if dialect.keywords != Keywords::CarriedOut || !self.state.letter_is_on(b'k') {
            return None;
        }
        let mut keyed =
            SimpleCommand { assignments: command.assignments.clone(), words: Vec::new() };
        for word in &command.words {
            match assignment_of(&self.state.sources, word.span(), dialect) {
                Some(assignment) => keyed.assignments.push(assignment),
                None => keyed.words.push(word.clone()),
            }
        }
        Some(keyed)
    }

    /// The assignment of a here-document or here-string that stands beside nothing but an assignment of nothing
    /// (mksh manual, "Assignments").
    fn document_assigned(
        &self,
        command: &SimpleCommand,
        redirects: &[Redirect],
    ) -> Option<SimpleCommand> {
        let ([assignment], [redirect]) = (&command.assignments[..], redirects) else { return None };
        let is_empty =
            matches!(&assignment.value, AssignedValue::Scalar(word) if word.parts.is_empty());
        if !is_empty || !command.words.is_empty() || !self.state.dialect.lone_document_is_value {
            return None;
        }
        let span = redirect.word.span;
        let parts = match redirect.body.as_ref().and_then(|body| body.get()) {
            Some(body) => vec![Part::Double { parts: body.parts.clone(), span }],
            None if redirect.operator == RedirectOperator::HereString => {
                let end = Part::Generated { bytes: b"\n"[..].into(), span };
                redirect.word.parts.iter().cloned().chain([end]).collect()
            }
            None => return None,
        };
        let value = AssignedValue::Scalar(Word::new(parts, span));
        let assignment = Assignment { value, ..assignment.clone() };
        Some(SimpleCommand { assignments: vec![assignment], words: Vec::new() })
    }

    /// A simple command (POSIX XCU 2.9.1.1): words, then redirections, then assignments.
    pub(super) fn simple(
        &mut self,
        (command, lone): (&SimpleCommand, bool),
        (redirects, piped): (&[Redirect], &[u32]),
        span: Span,
    ) -> Result<(), Stop> {
        if let Some(assigned) = self.document_assigned(command, redirects) {
            return self.simple((&assigned, lone), (&[], piped), span);
        }
        self.substituted = None;
        let is_process = std::mem::take(&mut self.is_process);
        let timed = std::mem::take(&mut self.timed);
        if let Some(outcome) = self.without_command(command, redirects, span) {
            return outcome;
        }
        let depth = self.state.doing.depth;
        let outside = !piped.is_empty() && self.state.dialect.piped_words_are_outside;
        self.state.doing.depth = depth.saturating_sub(u32::from(outside));
        let early = self.assigned_before_words(command)?;
        let arguments = self.in_words(|walker| walker.arguments(&command.words));
        self.state.doing.depth = depth;
        self.words_failed = is_process && arguments.is_err();
        let (mut argv, mut words) = arguments?;
        if timed {
            drop_options_of_time(&mut argv, &mut words, span)?;
        }
        self.exec_has_command(&argv, span)?;
        let dash = self.take_dash(&mut argv, &mut words);
        let kind = self.kind(&argv);
        if is_process && kind != CommandKind::Function {
            self.process_is_not_asked();
        }
        if command.assignments.is_empty() && redirects.is_empty() {
            let ready = Ready { argv, words, dash, kind, span };
            let argv = self.announced(ready, Vec::new(), &[])?;
            return self.with_last_argument((&argv, kind), (command, lone), |walker| {
                walker.carry_out(&argv, kind, span)
            });
        }
        let apart = self.apart(command, redirects, (&argv, kind));
        let snapshot = (apart == Apart::All).then(|| self.state.snapshot());
        let ready = Ready { argv, words, dash, kind, span };
        let apart = apart == Apart::Redirections;
        let outcome =
            self.made_and_carried_out((command, lone), (redirects, piped), (ready, early), apart);
        self.words_failed &= is_process && outcome.is_err();
        if let Some(snapshot) = snapshot {
            self.state.come_back(snapshot);
        }
        outcome
    }

    /// Redirections and assignments of a command whose words are expanded, and the command itself. `early`: the
    /// assignments, where they were carried out before the words. `apart`: whether the redirections leave no
    /// change behind.
    fn made_and_carried_out(
        &mut self,
        (command, lone): (&SimpleCommand, bool),
        (redirects, piped): (&[Redirect], &[u32]),
        (ready, early): (Ready, Option<Assigned>),
        apart: bool,
    ) -> Result<(), Stop> {
        let Ready { mut argv, mut words, dash, mut kind, span } = ready;
        let keeps = matches!(kind, CommandKind::Nothing)
            || self.keeps_assignments(kind, &argv)
            || (redirects.is_empty() && self.is_lone_exec(&argv))
            || (kind == CommandKind::Function
                && (self.state.dialect.functions_keep_assignments || self.shares_variables(&argv)));
        let lasting = if keeps { Lasting::Always } else { self.lasting(&argv, kind) };
        let mut made: Made = match early {
            Some(made) => Some(Ok(made)),
            None => self.made_first(command, (redirects, kind), &argv, lasting),
        };
        let redirected = self.redirections_behind(&mut made, (redirects, piped), apart);
        let redirections = match redirected {
            Ok(redirections) => redirections,
            Err(stop) => {
                self.words_failed = argv.is_empty();
                let alone = argv.is_empty() && command.assignments.is_empty();
                let rows = &self.state.dialect;
                let kind = match alone && rows.lone_redirection_runs {
                    // What is carried out in its place is a program.
                    true => CommandKind::External,
                    false if rows.command_is_for_programs => self.kind_behind_command(&argv, kind),
                    false => kind,
                };
                match self.state.dialect.last_argument {
                    LastArgument::Behind => self.leave_argument(&Rc::new(argv)),
                    LastArgument::Lines => self.leave_for_line(&argv, command),
                    LastArgument::Before | LastArgument::Never => {}
                }
                if let Some(Ok((_, saved))) = made {
                    self.restore(saved);
                }
                return Err(self.redirecting_failed(stop, kind));
            }
        };
        let redirects_only =
            argv.is_empty() && command.assignments.is_empty() && !redirections.is_empty();
        let rows = &self.state.dialect;
        if redirects_only && (rows.lone_redirection_runs || rows.lone_redirection_fails) {
            let (program, word) = self.lone_command(&redirections)?;
            argv.push(program);
            words.extend(self.wants.commands.then_some(word));
            kind = self.kind(&argv);
        }
        let (made, opened) = match made {
            Some(made) => (made, None),
            None => self.made_behind(command, &redirections, lasting)?,
        };
        let (assignments, saved) = match made {
            Ok(made) => made,
            Err(stop) => {
                self.words_failed = true;
                let kind = match self.state.dialect.command_is_for_programs {
                    true => self.kind_behind_command(&argv, kind),
                    false => kind,
                };
                if self.opens_before_assigning(kind) {
                    self.with_redirections(&redirections, false, |_| Ok(()))?;
                }
                return Err(self.assigning_failed(stop, kind, command.words.is_empty()));
            }
        };
        if keeps && kind == CommandKind::Special {
            self.outlast_calls(&command.assignments, &argv);
        }
        let ready = Ready { argv, words, dash, kind, span };
        let argv = self.announced(ready, assignments, &redirections)?;
        let stays = argv.len() == 1 && argv[0].bytes() == b"exec";
        let lasts = !saved.is_empty();
        if lasts {
            self.begin_temporary(saved, &argv);
        }
        let in_child = kind == CommandKind::External;
        let succeeds = kind == CommandKind::Nothing
            && self.state.dialect.lone_input_succeeds
            && redirections.iter().any(|one| one.stays || reads_anew(one));
        let outer_input = self.note_input(&redirections);
        let outcome = self.with_last_argument((&argv, kind), (command, lone), |walker| {
            walker.with_opened(&redirections, (opened, stays, in_child), |walker| {
                walker.carry_out(&argv, kind, span)
            })
        });
        self.has_other_input = outer_input;
        if lasts {
            self.end_temporary(&outcome, kind);
        }
        if succeeds && outcome.is_ok() {
            self.state.status = 0;
        }
        match kind == CommandKind::Function && !redirections.is_empty() {
            true => self.held_by_redirections(outcome),
            false => outcome,
        }
    }

    /// The assignments before a declaration, where its words are expanded behind them.
    fn assigned_before_words(&mut self, command: &SimpleCommand) -> Result<Option<Assigned>, Stop> {
        let dialect = self.state.dialect.clone();
        if command.assignments.is_empty() || !dialect.declarations_see_assignments {
            return Ok(None);
        }
        let names = command.words.iter().map_while(literal);
        let is_prefix = |name: &&[u8]| {
            dialect.declaring_prefixes.iter().any(|prefix| prefix.as_bytes() == *name)
        };
        let Some(name) = names.into_iter().find(|name| !is_prefix(name)) else { return Ok(None) };
        if !dialect.is_declaration(name) {
            return Ok(None);
        }
        let name = [self.state.shell_text(name)];
        let kind = self.kind(&name);
        let lasting = match self.keeps_assignments(kind, &name) {
            true => Lasting::Always,
            false => self.lasting_in_shell(kind),
        };
        self.assignments(&command.assignments, lasting).map(Some)
    }

    /// Whether assignments before a utility stay.
    fn keeps_assignments(&self, kind: CommandKind, argv: &[Text]) -> bool {
        let dialect = &self.state.dialect;
        let is_prefix = |word: &&Text| matches!(word.bytes(), b"builtin" | b"\\builtin");
        let name = argv.iter().find(|word| !is_prefix(word)).map_or(&b"builtin"[..], Text::bytes);
        match kind {
            CommandKind::Special => dialect.special_keeps_assignments,
            CommandKind::Builtin => {
                dialect.utilities_keep_assignments.iter().any(|one| one.as_bytes() == name)
            }
            _ => false,
        }
    }

    /// Whether the function of this command shares its variables with the shell.
    pub(super) fn shares_variables(&self, argv: &[Text]) -> bool {
        let function = argv.first().and_then(|name| self.state.functions.get(name.bytes()));
        self.state.dialect.plain_functions_share
            && function.is_some_and(|function| !function.keyword)
    }

    /// How far a mistake in the words of a command reaches: where it ends only a command, that is
    /// one which is carried out in a process of its own. `argv` is what came before the mistake.
    pub(super) fn farther(&self, error: ShellError, argv: &[Text]) -> Stop {
        let is_dash = |word: &Text| self.state.dialect.dash_marks_login && word.bytes() == b"-";
        let dashes = argv.iter().take_while(|word| is_dash(word)).count();
        let inside = match &argv[dashes..] {
            // Where this matters, `command` calls programs only.
            [command, name, ..] if command.bytes() == b"command" => name.bytes().starts_with(b"-"),
            argv => self.kind(argv) != CommandKind::External,
        };
        let reach = match inside && error.reach == Reach::Command {
            true => Reach::Shell,
            false => error.reach,
        };
        Stop::Shell(ShellError { reach, ..error })
    }

    /// Carries out a command and sets its status.
    pub(super) fn carry_out(
        &mut self,
        argv: &Rc<Vec<Text>>,
        kind: CommandKind,
        span: Span,
    ) -> Result<(), Stop> {
        let before = self.state.status;
        self.state.status = match kind {
            CommandKind::Nothing => self.substituted.take().unwrap_or(0),
            CommandKind::External => {
                if self.replaced_at == Some((span, true)) {
                    self.state.traps = Default::default();
                }
                self.program(argv, span)?
            }
            CommandKind::Function => {
                let function = argv.first().and_then(|name| self.state.functions.get(name.bytes()));
                let function = function.cloned();
                self.state.status = before;
                let Some(function) = function else {
                    return self.read_and_call_from_path(argv, span);
                };
                return self.call(&function, argv, span);
            }
            CommandKind::Builtin | CommandKind::Special => self.utility_asked_for(argv, span)?,
        };
        Ok(())
    }

    /// Expands what a simple command holds besides redirections.
    pub(super) fn in_words<T>(&mut self, run: impl FnOnce(&mut Walker) -> T) -> T {
        let outer = std::mem::replace(&mut self.in_words, true);
        let made = run(self);
        self.in_words = outer;
        made
    }

    pub(super) fn kind(&self, argv: &[Text]) -> CommandKind {
        let Some(name) = argv.first() else { return CommandKind::Nothing };
        let dialect = &self.state.dialect;
        let is_keyword =
            || dialect.declarations_are_keywords && dialect.is_declaration(name.bytes());
        let is_function = || self.state.functions.contains_key(name.bytes()) && !is_keyword();
        match self.state.utility(name.bytes()) {
            Some(UtilityKind::Special) if dialect.functions_come_first && is_function() => {
                CommandKind::Function
            }
            Some(UtilityKind::Special) => CommandKind::Special,
            None if self.names_job(name) => CommandKind::Builtin,
            _ if is_function() || self.is_announced(name.bytes()) => CommandKind::Function,
            Some(UtilityKind::Builtin) => CommandKind::Builtin,
            None if self.is_on_function_path(name.bytes()) => CommandKind::Function,
            None => CommandKind::External,
        }
    }
}

/// Whether a redirection opens a file to read where the shell reads its input, or closes that.
fn reads_anew(redirection: &RedirectTrace) -> bool {
    let closes = || redirection.operator.ends_with('&') && redirection.target.bytes() == b"-";
    redirection.descriptor == 0 && (matches!(redirection.operator, "<" | "<>") || closes())
}
