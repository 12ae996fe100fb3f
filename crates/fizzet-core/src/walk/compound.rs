//! Compound commands and functions (POSIX XCU 2.9.4, 2.9.5).

use std::rc::Rc;

use crate::dialect::{Dialect, EmptyBodies, HashList, LoopsHidden};
use crate::expand::disciplines::{self, Named};
use crate::expand::pattern::{Pattern, PatternRules};
use crate::expand::{self, arithmetic};
use crate::source::Span;
use crate::state::{Function, Matching};
use crate::stop::{Reach, ShellError, Status, Stop, as_process};
use crate::syntax::DEFAULT_NAME;
use crate::syntax::ast::{CaseBranch, CaseEnd, Command, CommandKind as Node, List, Word};
use crate::text::Text;
use crate::walk::coprocesses::list_of;
use crate::walk::{Left, SubshellIs, Walker};

/// What says in an `always` block whether the commands before it have failed, and takes that back if it is
/// set to 0.
const TRY_BLOCK_ERROR: &[u8] = b"TRY_BLOCK_ERROR";

impl Walker {
    pub(super) fn compound(&mut self, command: &Command) -> Result<(), Stop> {
        let is_loop = matches!(
            command.kind,
            Node::Loop { .. } | Node::For { .. } | Node::ArithmeticFor { .. } | Node::Repeat { .. }
        );
        let outer = self.loops;
        self.loops += u32::from(is_loop);
        let outcome = self.compound_here(command);
        self.loops = outer;
        outcome
    }

    fn compound_here(&mut self, command: &Command) -> Result<(), Stop> {
        match &command.kind {
            Node::Simple(_) => Ok(()),
            Node::Group(list) => self.list(list),
            Node::Pipeline(pipeline) => {
                let spared = self.spared;
                let outcome = self.pipeline_of(pipeline, false);
                self.spared = spared;
                outcome
            }
            Node::Subshell(list) => self.subshell(|walker| walker.list(list)),
            Node::If { branches, otherwise } => self.if_clause(branches, otherwise.as_ref()),
            Node::Loop { until, condition, body } => {
                self.loop_clause(*until, condition, body, command.span)
            }
            Node::For { names, words, body, select: false } => {
                self.for_clause(names, words.as_deref(), body, self.head_of(command))
            }
            Node::Repeat { count, body } => self.repeat_clause(count, body),
            Node::Always { body, cleanup } => self.always_clause(body, cleanup),
            Node::Anonymous { body, words } => self.anonymous(body, words, command.span),
            Node::ArithmeticFor { start, condition, step, body } => {
                self.arithmetic_for(start, condition, step, body, command.span)
            }
            Node::Case { word, branches } => self.case_clause(word, branches),
            Node::Function { names, words, .. } if names.is_empty() && words.is_empty() => {
                let message = "this cannot be the name of a function";
                self.survive(ShellError::new(message, command.span, 1, Reach::Command));
                Ok(())
            }
            Node::Function { names, words, body, keyword } => {
                let made = self.listed(words)?;
                let made: Vec<_> = made.iter().map(|name| Rc::from(name.bytes())).collect();
                self.state.status = 0;
                for name in names.iter().chain(&made) {
                    let dialect = &self.state.dialect;
                    if dialect.reserves_function_name(name) {
                        let message = "no function can have this name";
                        return Err(unnamed(message, command.span, dialect));
                    }
                    if dialect.made_functions_have_names && !self.state.names_function(name) {
                        let message = "this is no name that a variable could have";
                        return Err(unnamed(message, command.span, dialect));
                    }
                    let (body, span) = (body.clone(), command.span);
                    if self.state.dialect.disciplines {
                        self.discipline(name, span)?;
                    }
                    let before = self.state.functions.get(name);
                    let marks = before.map(|function| function.marks).unwrap_or_default();
                    if marks.read_only {
                        let message = "the function may not be defined again";
                        self.survive(ShellError::new(message, span, 1, Reach::Command));
                        continue;
                    }
                    let emulation = self.state.emulation.clone();
                    let function = Function { body, keyword: *keyword, span, marks, emulation };
                    self.keep_action_named(name);
                    self.state.functions.insert(name.clone(), function);
                    if self.state.dialect.hash_list == HashList::Paths {
                        // One table holds both.
                        Rc::make_mut(&mut self.state.hashed).remove(&name[..]);
                    }
                    self.take_for_action(name);
                }
                Ok(())
            }
            Node::Arithmetic(expression) => {
                let recovers = self.state.dialect.arithmetic_command_recovers;
                let through = self.state.dialect.index_mistakes_go_through;
                self.state.status = match arithmetic::holds(self, expression) {
                    Ok(holds) => Status::from(!holds),
                    Err(Stop::Shell(error))
                        if recovers && !error.exits && !(through && error.goes_through) =>
                    {
                        let status = self.state.dialect.arithmetic_command_status;
                        self.survive(ShellError { status, reach: Reach::Command, ..error });
                        status
                    }
                    Err(stop) => return Err(stop),
                };
                Ok(())
            }
            Node::Conditional(condition) => {
                self.asked_no_option = false;
                match self.condition(condition) {
                    Err(Stop::Shell(error)) if error.reach == Reach::Command => self.survive(error),
                    holds => {
                        let of_option = self.state.dialect.unknown_option_test;
                        self.state.status = match (holds?, of_option) {
                            (true, _) => 0,
                            (false, Some(status)) if self.asked_no_option => status,
                            (false, _) => 1,
                        };
                    }
                }
                Ok(())
            }
            Node::For { names, words, body, select: true } => {
                let (name, span) = &names[0];
                self.select_clause((name, *span), words.as_deref(), body, self.head_of(command))
            }
            Node::Coprocess { name, command } => self.coprocess(name.as_ref(), command),
        }
    }

    /// `coproc`: the name is that of an array where the shell has such names.
    fn coprocess(&mut self, name: Option<&Word>, command: &Command) -> Result<(), Stop> {
        if !self.state.dialect.named_coprocesses {
            return self.start_coprocess(None, list_of(command));
        }
        let name = match name {
            Some(word) => expand::single(self, word, expand::Tilde::Never)?.bytes().to_vec(),
            None => DEFAULT_NAME.to_vec(),
        };
        if !self.state.dialect.is_name(&name) {
            self.state.status = 1;
            return Ok(());
        }
        self.start_coprocess(Some(name.into()), list_of(command))
    }

    /// How many functions and sourced files `return` could leave.
    pub(super) fn depth_of_return(&self) -> usize {
        self.scopes.len() + self.sourced
    }

    /// Runs commands that may change nothing of this shell.
    pub(super) fn subshell(
        &mut self,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let snapshot = self.state.snapshot();
        let (scopes, temporaries) = (self.scopes.clone(), self.temporaries.clone());
        let lasting = self.lasting.clone();
        self.state.jobs.make_room(self.state.dialect.waited_jobs);
        let jobs = self.state.jobs.clone();
        self.state.jobs.leave_behind();
        let (mask, loops) = (self.state.mask, self.loops);
        let options_at = self.options_at;
        let descriptors = self.descriptors.clone();
        let (depth, bodies) = (self.state.doing.depth, self.bodies);
        let (replaced, spared) = (self.parameters_replaced, self.spared);
        let testing = self.testing;
        let acting = self.acting.len();
        if depth == 0 {
            self.status_outside = self.state.status;
        }
        self.state.doing.depth = depth + 1;
        let statuses = self.state.doing.statuses.clone();
        let (last, pattern) = (self.state.doing.last.clone(), self.state.doing.pattern.take());
        let calls = self.state.doing.calls.len();
        let command = self.state.doing.command.clone();
        let kind = std::mem::take(&mut self.subshell_is);
        let groups = self.groups;
        self.groups += u32::from(kind == SubshellIs::Plain);
        let traps = self.traps_of_subshell(kind);
        let in_substitution = matches!(kind, SubshellIs::Substitution | SubshellIs::LoneTrap);
        let hidden = match self.state.dialect.loops_hidden {
            LoopsHidden::Never => false,
            LoopsHidden::ButSubstitutions => !in_substitution,
            LoopsHidden::Always => true,
        };
        if hidden {
            self.loops = 0;
        }
        let coprocesses = self.coprocesses.len();
        if self.state.dialect.subshells_close_coprocesses && !in_substitution {
            self.close_coprocesses();
        }
        let outcome = run(self);
        if matches!(outcome, Err(Stop::Enough | Stop::Waits)) {
            return outcome;
        }
        let mut before_mistake = None;
        let outcome = match outcome {
            Err(Stop::Shell(mut error)) => {
                before_mistake = (!self.has_action("EXIT")).then_some(self.state.status);
                self.tell_mistake(&mut error);
                // In a subshell no action is carried out behind it.
                let exits = error.exits && self.state.dialect.unset_message_exits;
                match std::mem::take(&mut self.words_failed)
                    && self.state.dialect.words_of_processes_act
                {
                    true => {
                        traps.lend(&mut self.state.traps, b"EXIT");
                        Err(Stop::Exit(error.status))
                    }
                    false => Err(Stop::Shell(ShellError { exits, ..error })),
                }
            }
            Err(Stop::Syntax(error)) => {
                before_mistake = Some(self.state.status);
                Err(Stop::Syntax(error))
            }
            outcome => outcome,
        };
        if self.state.dialect.subshell_exit_sees_script
            && let Some(outermost) = self.scopes.first()
        {
            self.state.positional = outermost.outer.share();
        }
        let outcome = self.leave_shell(outcome, self.scopes.len(), Left::Shell);
        self.traps_come_back(traps);
        (self.state.doing.depth, self.groups) = (depth, groups);
        (self.bodies, self.parameters_replaced) = (bodies, replaced);
        self.testing = testing;
        self.acting.truncate(acting);
        self.state.doing.statuses = statuses;
        (self.state.doing.last, self.state.doing.pattern) = (last, pattern);
        self.state.doing.calls.truncate(calls);
        self.state.doing.command = command;
        // Whatever ended the subshell, it has not ended this shell.
        self.error_exit = None;
        self.before_mistake = before_mistake;
        self.error_told = false;
        self.spared = spared;
        self.descriptors = descriptors;
        self.end_coprocesses(coprocesses)?;
        self.loops = loops;
        self.set_mask(mask);
        (self.options_at, self.state.assigned_option_index) = (options_at, None);
        let inner = self.state.come_back(snapshot);
        (self.scopes, self.temporaries, self.lasting) = (scopes, temporaries, lasting);
        self.state.jobs = jobs;
        if self.state.dialect.patterns_fill_match_array && kind != SubshellIs::Pipeline {
            // No process of its own: the array is that of the shell.
            let name = self.state.dialect.match_array.as_bytes();
            self.state.variables.restore(name, inner.itself(name).cloned());
        }
        if inner.newline_separates()
            && kind != SubshellIs::Pipeline
            && inner.scalar(b"IFS").map(Text::bytes)
                == self.state.variables.scalar(b"IFS").map(Text::bytes)
        {
            // The shell keeps that outside of its variables.
            self.state.variables.let_newline_separate();
        }
        self.state.status = as_process(self.state.status);
        match outcome {
            Err(Stop::Exit(status) | Stop::Return(status)) => {
                self.state.status = as_process(status);
            }
            Err(Stop::Break(_) | Stop::Continue(_)) => {}
            Err(Stop::Syntax(error)) => {
                let (status, message) = (self.state.dialect.eval_syntax_status, error.to_string());
                self.survive(ShellError::new(message, error.span, status, Reach::Command));
            }
            Err(Stop::Shell(error)) => {
                self.state.status = error.status;
                self.keep_mistake(error);
            }
            other => return other,
        }
        Ok(())
    }

    fn if_clause(
        &mut self,
        branches: &[(List, List)],
        otherwise: Option<&List>,
    ) -> Result<(), Stop> {
        for (condition, body) in branches {
            let leaves_status = self.state.dialect.empty_bodies == EmptyBodies::OutsideIf;
            if condition.items.is_empty() && leaves_status {
                return self.list(body);
            }
            self.tested(|walker| walker.list(condition))?;
            if self.state.status == 0 {
                return self.list(body);
            }
        }
        match otherwise {
            Some(list) => self.list(list),
            None => {
                self.state.status = 0;
                Ok(())
            }
        }
    }

    /// Runs commands whose status is only asked for: `set -e` does not look at it.
    pub(super) fn tested(
        &mut self,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let outer = self.testing;
        self.testing = outer + 1;
        let outcome = run(self);
        self.testing = outer;
        outcome
    }

    /// The fields of the words of a compound command. The shell expands them itself, so that a mistake
    /// which would end a command ends the shell.
    pub(super) fn listed(&mut self, words: &[Word]) -> Result<Vec<Text>, Stop> {
        let Some(first) = words.first() else { return Ok(Vec::new()) };
        let made = self.matching_some(first.span, |walker| {
            let mut fields = Vec::new();
            for word in words {
                let mut of_word = expand::fields(walker, word)?;
                walker.count_words(&of_word, word.span);
                fields.append(&mut of_word);
            }
            Ok(fields)
        });
        match made {
            Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }))
            }
            made => made,
        }
    }

    /// Expands a list of words, of whose patterns one has to match some pathname where an option says so.
    pub(super) fn matching_some<T>(
        &mut self,
        span: Span,
        expand: impl FnOnce(&mut Walker) -> Result<T, Stop>,
    ) -> Result<T, Stop> {
        if !self.state.dialect.unmatched_vanish_together {
            return expand(self);
        }
        let outer = std::mem::take(&mut self.state.doing.matching);
        let made = expand(self);
        match std::mem::replace(&mut self.state.doing.matching, outer) {
            Matching::None if made.is_ok() => {
                let reach = self.state.dialect.unmatched_ends;
                Err(Stop::error("no pattern here matches a pathname", span, 1, reach))
            }
            _ => made,
        }
    }

    /// Whether this names a variable, or a parameter that is one.
    pub(super) fn is_variable(&self, name: &[u8]) -> bool {
        self.state.names_variable(name) || self.state.parameter_number(name).is_some()
    }

    /// What stands behind `always` is carried out unless the shell ends; the status stays that of the
    /// first list.
    fn always_clause(&mut self, body: &List, cleanup: &List) -> Result<(), Stop> {
        let outcome = self.list(body);
        let failed = match &outcome {
            Ok(()) | Err(Stop::Break(_) | Stop::Continue(_)) => false,
            Err(Stop::Return(status)) if self.depth_of_return() > 0 => {
                self.state.status = *status;
                false
            }
            Err(Stop::Exit(status)) if !self.scopes.is_empty() => {
                self.state.status = *status;
                false
            }
            Err(Stop::Shell(error)) if !error.exits => {
                self.state.status = error.status;
                true
            }
            _ => return outcome,
        };
        let status = self.state.status;
        let mark = self.state.shell_text(if failed { b"1" } else { b"0" });
        self.state.variables.set(TRY_BLOCK_ERROR, mark);
        self.list(cleanup)?;
        let mended = self.state.variables.scalar(TRY_BLOCK_ERROR).map(Text::bytes) == Some(b"0");
        self.state.variables.set(TRY_BLOCK_ERROR, self.state.shell_text(b"-1"));
        self.state.status = status;
        match outcome {
            Err(Stop::Shell(error)) if failed && mended => {
                self.survive(error);
                Ok(())
            }
            outcome => outcome,
        }
    }

    fn case_clause(&mut self, word: &Word, branches: &[CaseBranch]) -> Result<(), Stop> {
        self.substituted = None;
        let value = expand::case::case_text(self, word);
        let value = value.map_err(|stop| self.mistaken_after(stop, 0))?;
        let idle = self.idle_status();
        let (mut falls, mut ran) = (false, false);
        for branch in branches {
            let matches = if falls { Ok(true) } else { self.matches_any(&branch.patterns, &value) };
            if !matches.map_err(|stop| self.mistaken_after(stop, 0))? {
                continue;
            }
            if branch.body.items.is_empty() {
                self.state.status = idle;
            }
            ran = true;
            self.bodies += 1;
            self.list(&branch.body)?;
            match branch.end {
                CaseEnd::Leave => return Ok(()),
                CaseEnd::Fall => falls = true,
                CaseEnd::Continue => falls = false,
            }
        }
        if !ran {
            self.state.status = idle;
        }
        Ok(())
    }

    fn matches_any(&mut self, patterns: &[Word], value: &Text) -> Result<bool, Stop> {
        for word in patterns {
            let (pattern, is_known) = self.pattern(word, false)?;
            let keeps = !self.state.dialect.patterns_fill_match_array;
            if self.holds((&pattern, is_known), value, word.span, keeps)? == Some(true) {
                return Ok(true);
            }
        }
        Ok(false)
    }

    /// The pattern that a word of a `case` or a `[[ ]]` is; `grouped` in `[[ ]]`, where groups are always
    /// known, and also in values. With it, whether all of its text is known.
    pub(super) fn pattern(&mut self, word: &Word, grouped: bool) -> Result<(Pattern, bool), Stop> {
        let text = match grouped {
            true => match expand::pattern_text(self, word)? {
                text if self.state.dialect.test_values_unquote => text.unquoted_values(false),
                text => text,
            },
            false => expand::case::case_pattern_text(self, word)?,
        };
        let rules = self.state.text_pattern_rules();
        let rules = PatternRules {
            groups: rules.groups || (grouped && !self.state.dialect.bare_groups),
            groups_in_values: rules.groups_in_values || grouped,
            ..rules
        };
        Ok((Pattern::from_text(&text, rules), !text.has_hole()))
    }
}

impl Walker {
    /// A function is about to be defined: one for what reads or changes a variable belongs to the variable from here on.
    fn discipline(&mut self, function: &[u8], span: Span) -> Result<(), Stop> {
        match disciplines::named(function) {
            Named::Plainly => Ok(()),
            Named::For(variable) => {
                self.state.check_parent(variable, span)?;
                self.state.freshen(variable);
                self.state.variables.discipline(variable);
                Ok(())
            }
            Named::Unfit => {
                let message = "a function with a dot in its name is one for a variable (name.get, name.set, \
                               name.append, name.unset)";
                Err(unnamed(message, span, &self.state.dialect))
            }
        }
    }
}

/// The end of a shell that cannot define a function.
fn unnamed(message: &str, span: Span, dialect: &Dialect) -> Stop {
    let error = ShellError::new(message, span, dialect.function_name_status, Reach::Shell);
    Stop::Shell(ShellError { exits: dialect.bad_function_name_exits, ..error })
}
