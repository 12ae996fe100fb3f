//! Simple commands: words become a vector, assignments and redirections are made, and the command is carried
//! out.

use std::rc::Rc;

use crate::dialect::{Apart, Keywords, LastArgument, UtilityKind};
use crate::expand::{self, Context};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::assignment_of;
use crate::syntax::ast::{
    Argument, AssignedValue, Assignment, Part, Redirect, RedirectOperator, SimpleCommand, Word,
};
use crate::text::{Standing, Text};
use crate::trace::{
    AssignmentTrace, CommandKind, CommandTrace, Expansion, RedirectTrace, WordTrace,
};
use crate::walk::Walker;
use crate::walk::assign::{Assigned, Lasting};
use crate::walk::making::Made;

/// A simple command whose words are expanded.
struct Ready {
    argv: Vec<Text>,
    words: Vec<WordTrace>,
    /// A `-` before it, which marks the name that a program gets.
    dash: Option<Text>,
    kind: CommandKind,
    span: Span,
}

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

    /// The vector of a command for which everything is made, which is told of now.
    fn announced(
        &mut self,
        ready: Ready,
        assignments: Vec<AssignmentTrace>,
        redirections: &[RedirectTrace],
    ) -> Result<Rc<Vec<Text>>, Stop> {
        let Ready { mut argv, words, dash, kind, span } = ready;
        if kind == CommandKind::External {
            argv.iter_mut().for_each(cut_at_nul);
            self.name_otherwise(&mut argv, dash);
        }
        let counts = kind == CommandKind::Function
            || argv.first().is_some_and(|name| name.bytes() == b"set");
        if counts {
            self.count_words(&argv, span);
        }
        let argv = Rc::new(argv);
        let absent = kind == CommandKind::External && self.is_absent(&argv);
        self.latest = kind;
        if self.wants.commands {
            let sought = self.sought.clone();
            let way = match kind {
                CommandKind::External if !absent => self.way(&argv),
                _ => None,
            };
            let (argv, redirections) = (argv.clone(), redirections.to_vec());
            self.announce(CommandTrace {
                argv,
                sought,
                kind,
                absent,
                span,
                assignments,
                redirections,
                words,
                way,
            })?;
        }
        Ok(argv)
    }

    /// Says of words whose number counts that nobody knows it, if that is so.
    pub(super) fn count_words(&mut self, words: &[Text], span: Span) {
        if words.iter().any(Text::may_be_several) {
            self.missing("how many words this becomes", span);
        }
    }

    /// The program that a redirection without a command runs: what READNULLCMD names where there is
    /// nothing but one file to read, else what NULLCMD names.
    fn lone_command(&self, redirections: &[RedirectTrace]) -> Result<(Text, WordTrace), Stop> {
        let span = redirections[0].span;
        if self.state.dialect.lone_redirection_fails {
            let message = "there is a redirection, but no command, and the option cshnullcmd is on";
            return Err(Stop::error(message, span, 1, Reach::Shell));
        }
        let named = |name: &'static [u8]| {
            let text = self.state.variables.scalar(name).filter(|text| !text.is_empty())?;
            let hop = Hop { rule: Rule::Parameter, span, name: Some(name.into()), shifted: 0 };
            Some((name, text.passed_through(&hop, Standing::Splittable)))
        };
        let reads = matches!(redirections, [one] if one.operator == "<");
        let reader = if reads { named(b"READNULLCMD") } else { None };
        let Some((name, program)) = reader.or_else(|| named(b"NULLCMD")) else {
            let message = "there is no command, and NULLCMD names none";
            return Err(Stop::error(message, span, 1, Reach::Shell));
        };
        let expansion = Expansion {
            rule: Rule::Parameter,
            span,
            name: Some(name.into()),
            quoted: false,
            count: 1,
            filled: 1,
        };
        let word = WordTrace::new(span, 0);
        Ok((program, WordTrace { count: 1, expansions: vec![expansion], ..word }))
    }

    /// Gives a program the first element that it is to see: behind a lone `-` its name is marked as
    /// that of a login shell, and an exported ARGV0 takes its place.
    pub(super) fn name_otherwise(&mut self, argv: &mut [Text], dash: Option<Text>) {
        let Some(name) = argv.first_mut() else { return };
        let exported = self.state.dialect.argv_zero_variable;
        let exported = self.state.variables.get(b"ARGV0").filter(|one| exported && one.exported);
        let given = match (exported.and_then(|variable| variable.scalar()), dash) {
            (Some(zero), _) => zero.clone(),
            (None, Some(mut dash)) => {
                dash.push_text(name);
                dash
            }
            (None, None) => return,
        };
        self.sought = Some(std::mem::replace(name, given));
    }

    /// Takes each lone `-` before a command away.
    fn take_dash(&self, argv: &mut Vec<Text>, words: &mut [WordTrace]) -> Option<Text> {
        let is_dash = |name: &&Text| name.bytes() == b"-" && !name.has_hole();
        let dashes = argv.iter().take_while(is_dash).count();
        if dashes == 0 || !self.state.dialect.dash_marks_login {
            return None;
        }
        drop_first(dashes, argv, words)
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

    fn arguments(&mut self, words: &[Argument]) -> Result<(Vec<Text>, Vec<WordTrace>), Stop> {
        let modified = self.precommand_words(words);
        let outer = self.state.options.no_glob;
        self.state.options.no_glob |= modified.iter().any(|word| literal(word) == Some(b"noglob"));
        let outside = std::mem::take(&mut self.in_turn);
        let words = words.get(modified.len()..).unwrap_or_default();
        let made = match words.first() {
            Some(first) => self.matching_some(first.span(), |walker| walker.expanded(words)),
            None => self.expanded(words),
        };
        let in_turn = std::mem::replace(&mut self.in_turn, outside);
        self.restore(in_turn);
        self.state.options.no_glob = outer;
        made
    }

    fn expanded(&mut self, words: &[Argument]) -> Result<(Vec<Text>, Vec<WordTrace>), Stop> {
        // The status that a mistake in the words leaves.
        let before = if self.state.status == 0 { 1 } else { self.state.status };
        let mut argv: Vec<Text> = Vec::with_capacity(words.len());
        let mut traces = match self.wants.commands {
            true => Vec::with_capacity(words.len()),
            false => Vec::new(),
        };
        // Whether all words up to here were `command` or the like.
        let (mut declares, mut named) = (false, false);
        let mut has_tildes = false;
        let mut unmatched = None;
        for (at, argument) in words.iter().enumerate() {
            self.state.doing.pattern = None;
            let Argument::Word(word) = argument else {
                match self.array_argument(argument, &mut argv) {
                    Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                        unmatched.get_or_insert((error, argv.len()));
                    }
                    made => made.map_err(|stop| self.mistaken_after(stop, before))?,
                }
                continue;
            };
            let first = argv.len();
            let unchanged = if declares { None } else { expand::unchanged(word) };
            let trace = match unchanged {
                Some(text) => {
                    argv.push(text);
                    self.wants.commands.then(|| WordTrace::new(word.span, first))
                }
                None => {
                    self.word = self.wants.commands.then(|| WordTrace::new(word.span, first));
                    let declared = declares.then_some(at + 1 == words.len());
                    match self.next_fields(word, declared, has_tildes, &mut argv) {
                        // Another word may hold a mistake that reaches farther.
                        Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                            unmatched.get_or_insert((error, first));
                        }
                        made => made.map_err(|stop| self.mistaken_after(stop, before))?,
                    }
                    self.word.take()
                }
            };
            let limit = self.state.limits.fields;
            if argv.len() > limit {
                let (what, limit, span) = ("arguments of one command", limit as u64, word.span);
                return Err(Stop::Limit { what, limit, span });
            }
            if let Some(mut trace) = trace {
                trace.count = argv.len() - first;
                if !trace.stages.is_empty() {
                    trace.stages = expand::telling(std::mem::take(&mut trace.stages));
                }
                traces.push(trace);
            }
            if at == 0 || (named && !declares) {
                let dialect = &self.state.dialect;
                has_tildes = dialect.builtin_values_have_tildes
                    && argv.get(first).is_some_and(|name| {
                        let is_keyword = at == 0 && word.literal().is_some();
                        name.bytes() == b"alias"
                            || (!is_keyword && dialect.is_declaration(name.bytes()))
                    });
                let made = &argv[first.min(argv.len())..];
                declares = self.declares(word, made) && !has_tildes;
                named = self.passes_declarations(word, made)
                    || (self.state.dialect.builtin_values_have_tildes
                        && word.literal() == Some(b"builtin"));
            }
        }
        match unmatched {
            Some((error, before)) => Err(self.farther(error, &argv[..before])),
            None => Ok((argv, traces)),
        }
    }

    /// A mistake in the words of a command that leaves this status, where the shell has it so.
    pub(super) fn mistaken_after(&self, stop: Stop, status: Status) -> Stop {
        let exits = matches!(&stop, Stop::Shell(error) if error.exits);
        match self.state.dialect.mistakes_keep_status && !exits {
            true => stop.leaving(status),
            false => stop,
        }
    }

    /// All fields of a word, put behind those of other words. Behind the name of a declaration utility: whether it is
    /// the last one.
    fn next_fields(
        &mut self,
        word: &Word,
        declared: Option<bool>,
        has_tildes: bool,
        argv: &mut Vec<Text>,
    ) -> Result<(), Stop> {
        if let Some(is_last) = declared
            && let Some(text) = self.declared_in_turn(word, is_last)?
        {
            argv.push(text);
            return Ok(());
        }
        expand::fields_onto(self, word, has_tildes, argv)
    }

    /// What a word behind a declaration utility assigns, if it looks like an assignment; where words are assigned in
    /// turn, those behind it see that.
    fn declared_in_turn(&mut self, word: &Word, is_last: bool) -> Result<Option<Text>, Stop> {
        let assigned = self.declared(word)?;
        if let Some(text) = &assigned
            && self.state.dialect.declarations_assign_in_turn
            && !is_last
        {
            self.assign_in_turn(text);
        }
        Ok(assigned)
    }

    /// Gives a variable what a word of a declaration says, until the words behind it are expanded as well.
    fn assign_in_turn(&mut self, assignment: &Text) {
        let bytes = assignment.bytes();
        let Some(equals) = bytes.iter().position(|&byte| byte == b'=') else { return };
        let name = &bytes[..equals];
        if !self.state.dialect.is_name(name) {
            return;
        }
        let before = self.state.variables.get(name).cloned();
        self.in_turn.push((name.into(), before));
        self.state.variables.set(name, assignment.slice(equals + 1, assignment.len()));
    }

    /// Whether the arguments behind this command name are read as assignments.
    fn declares(&self, name: &Word, argv: &[Text]) -> bool {
        let dialect = &self.state.dialect;
        match dialect.late_declarations {
            true => argv.first().is_some_and(|name| dialect.is_declaration(name.bytes())),
            false if dialect.quoted_name_declares && is_fixed(name) => {
                argv.first().is_some_and(|name| dialect.is_declaration(name.bytes()))
            }
            false => name.literal().is_some_and(|name| dialect.is_declaration(name)),
        }
    }

    /// Whether a utility of this name passes on that a declaration utility is behind it.
    fn passes_declarations(&self, name: &Word, argv: &[Text]) -> bool {
        let prefixes = self.state.dialect.declaring_prefixes;
        let is = |text: &[u8]| prefixes.iter().any(|prefix| prefix.as_bytes() == text);
        match name.literal() {
            Some(name) => is(name),
            None => {
                self.state.dialect.quoted_name_declares
                    && is_fixed(name)
                    && argv.first().is_some_and(|text| is(text.bytes()))
            }
        }
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

/// The text of a word in which nothing is quoted or expanded.
pub(super) fn literal(argument: &Argument) -> Option<&[u8]> {
    match argument {
        Argument::Word(word) => word.literal(),
        Argument::Assignment(_) => None,
    }
}

/// An argument as a program receives it: a NUL ends it.
fn cut_at_nul(text: &mut Text) {
    match text.bytes().iter().position(|&byte| byte == 0) {
        Some(at) if at > 0 => *text = text.slice(0, at),
        Some(_) => {
            let mut empty = Text::new();
            if let Some((run, _)) = text.runs().next() {
                empty.push(b"", Standing::Quoted, &run.origin);
            }
            *text = empty;
        }
        None => {}
    }
}

/// Whether a word holds quotes and text only.
fn is_fixed(word: &Word) -> bool {
    let fixed = |part: &Part| match part {
        Part::Literal { .. } | Part::Escaped { .. } | Part::Single { .. } => true,
        Part::Double { parts, .. } => parts.iter().all(|part| matches!(part, Part::Literal { .. })),
        _ => false,
    };
    word.parts.iter().all(fixed)
}

/// Drops the first arguments, and what the words have of them; answers the very first.
fn drop_first(count: usize, argv: &mut Vec<Text>, words: &mut [WordTrace]) -> Option<Text> {
    let mut left = count;
    for word in words {
        let dropped = left.min(word.count);
        word.first = word.first.saturating_sub(count - left);
        word.count -= dropped;
        left -= dropped;
    }
    argv.drain(..count).next()
}

/// Drops the options of `time` that a command begins with.
fn drop_options_of_time(
    argv: &mut Vec<Text>,
    words: &mut [WordTrace],
    span: Span,
) -> Result<(), Stop> {
    let is_option = |word: &&Text| word.bytes().len() > 1 && word.bytes().starts_with(b"-");
    let mut count = 0;
    for option in argv.iter().take_while(is_option) {
        count += 1;
        match &option.bytes()[1..] {
            b"-" => break,
            letters if letters.iter().all(|&letter| letter == b'p') => {}
            _ => return Err(Stop::error("time: an option is not known", span, 1, Reach::Shell)),
        }
    }
    drop_first(count, argv, words);
    Ok(())
}
