//! Compound commands and functions (POSIX XCU 2.9.4, 2.9.5).

use std::rc::Rc;

use crate::dialect::{DebugLoops, KeepsScope, Nesting};
use crate::expand::pattern::{Pattern, PatternRules};
use crate::expand::{self, Context, arithmetic};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Call, Function, Options, Value, Variable};
use crate::stop::{Reach, ShellError, Status, Stop, as_process};
use crate::syntax::ast::{
    Arithmetic, CaseBranch, CaseEnd, Command, CommandKind as Node, List, Word,
};
use crate::syntax::is_name;
use crate::text::{Passage, Standing, Text};
use crate::walk::{Cause, SubshellIs, Walker, builtins};

/// What says in an `always` block whether the commands before it have failed, and takes that back if it is
/// set to 0.
const TRY_BLOCK_ERROR: &[u8] = b"TRY_BLOCK_ERROR";

/// What a function call puts back when it returns.
#[derive(Default)]
pub(super) struct Scope {
    /// Variables that `local` has hidden, in order.
    pub(super) hidden: Vec<(Rc<[u8]>, Option<Variable>)>,
    /// Variables that were assigned before the call and that `local` has made its own.
    pub(super) adopted: Vec<Rc<[u8]>>,
    /// Options as they were before `local -`.
    pub(super) options: Option<Options>,
    /// Whether `typeset` makes variables of the function.
    pub(super) has_variables: bool,
    /// Where `getopts` stood before `local OPTIND`, where that keeps it.
    pub(super) options_at: Option<builtins::OptionPlace>,
}

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
            Node::Subshell(list) => self.subshell(|walker| walker.list(list)),
            Node::If { branches, otherwise } => self.if_clause(branches, otherwise.as_ref()),
            Node::Loop { until, condition, body } => {
                self.loop_clause(*until, condition, body, command.span)
            }
            Node::For { names, words, body, select: false } => {
                self.for_clause(names, words.as_deref(), body)
            }
            Node::Repeat { count, body } => self.repeat_clause(count, body),
            Node::Always { body, cleanup } => self.always_clause(body, cleanup),
            Node::Anonymous { body, words } => self.anonymous(body, words, command.span),
            Node::ArithmeticFor { start, condition, step, body } => {
                self.arithmetic_for(start, condition, step, body, command.span)
            }
            Node::Case { word, branches } => self.case_clause(word, branches),
            Node::Function { names, .. } if names.is_empty() => {
                let message = "this cannot be the name of a function";
                self.survive(ShellError::new(message, command.span, 1, Reach::Command));
                Ok(())
            }
            Node::Function { names, body, keyword } => {
                for name in names {
                    let function = Function { body: body.clone(), keyword: *keyword };
                    self.state.functions.insert(name.clone(), function);
                    self.take_for_action(name);
                }
                self.state.status = 0;
                Ok(())
            }
            Node::Arithmetic(expression) => {
                let recovers = self.state.dialect.arithmetic_command_recovers;
                let through = self.state.dialect.index_mistakes_go_through;
                self.state.status = match arithmetic::holds(self, expression) {
                    Ok(holds) => Status::from(!holds),
                    Err(Stop::Shell(error)) if recovers && !(through && error.goes_through) => {
                        self.state.dialect.arithmetic_command_status
                    }
                    Err(stop) => return Err(stop),
                };
                Ok(())
            }
            Node::Conditional(condition) => {
                match self.condition(condition) {
                    Err(Stop::Shell(error)) if error.reach == Reach::Command => self.survive(error),
                    holds => self.state.status = Status::from(!holds?),
                }
                Ok(())
            }
            Node::For { names, words, body, select: true } => {
                let (name, span) = &names[0];
                self.select_clause((name, *span), words.as_deref(), body)
            }
            Node::Coprocess { name, .. } => {
                self.coprocess(name.as_deref(), command.span);
                Ok(())
            }
        }
    }

    /// A coprocess begins: its descriptors are known only to the shell that runs it.
    fn coprocess(&mut self, name: Option<&[u8]>, span: Span) {
        self.missing("what a person or another process answers here", span);
        if !self.state.dialect.named_coprocesses {
            return;
        }
        let mut descriptor = Text::new();
        descriptor.push_hole(Standing::Quoted, &Origin::new(Rule::Shell, span));
        let elements = [(0, descriptor.clone()), (1, descriptor)].into_iter().collect();
        self.state.variables.entry(name.unwrap_or(b"COPROC")).value = Value::Indexed(elements);
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
        let variables = self.state.variables.clone();
        let positional = self.state.positional.share();
        let functions = self.state.functions.clone();
        let options = self.state.options.clone();
        let dialect = self.state.dialect.clone();
        let (aliases, folder) = (self.state.aliases.clone(), self.state.folder.clone());
        let (mask, loops) = (self.state.mask, self.loops);
        let options_at = self.options_at;
        let descriptors = self.descriptors.clone();
        self.state.doing.depth += 1;
        let statuses = self.state.doing.statuses.clone();
        let last = self.state.doing.last.clone();
        let calls = self.state.doing.calls.len();
        let kind = std::mem::take(&mut self.subshell_is);
        let traps = self.traps_of_subshell(kind);
        let outcome = run(self);
        if matches!(outcome, Err(Stop::Enough)) {
            return outcome;
        }
        let outcome = match outcome {
            // A subshell of zsh ends as by any mistake.
            Err(Stop::Shell(error)) => Err(Stop::Shell(ShellError { exits: false, ..error })),
            outcome => outcome,
        };
        let outcome = self.leave_shell(outcome, self.scopes.len());
        self.traps_come_back(traps);
        self.state.doing.depth -= 1;
        self.state.doing.statuses = statuses;
        self.state.doing.last = last;
        self.state.doing.calls.truncate(calls);
        // Whatever ended the subshell, it has not ended this shell.
        self.error_exit = None;
        self.error_told = false;
        self.descriptors = descriptors;
        (self.state.mask, self.loops) = (mask, loops);
        (self.options_at, self.state.assigned_option_index) = (options_at, None);
        (self.state.aliases, self.state.folder) = (aliases, folder);
        let inner = std::mem::replace(&mut self.state.variables, variables);
        if inner.newline_separates()
            && kind != SubshellIs::Pipeline
            && inner.scalar(b"IFS").map(Text::bytes)
                == self.state.variables.scalar(b"IFS").map(Text::bytes)
        {
            // The shell keeps that outside of its variables.
            self.state.variables.let_newline_separate();
        }
        self.state.positional = positional;
        self.state.functions = functions;
        self.state.options = options;
        self.state.dialect = dialect;
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
                let inside = self.state.dialect.subshell_mistake_status;
                self.state.status = inside.unwrap_or(error.status);
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
        self.testing += 1;
        let outcome = run(self);
        self.testing -= 1;
        outcome
    }

    fn loop_clause(
        &mut self,
        until: bool,
        condition: &List,
        body: &List,
        span: Span,
    ) -> Result<(), Stop> {
        let mut status = 0;
        loop {
            self.step(span)?;
            match self.tested(|walker| walker.list(condition)) {
                Err(stop) => match leave(stop)? {
                    Pass::Next => continue,
                    Pass::Last => break,
                },
                Ok(()) if (self.state.status == 0) == until => break,
                Ok(()) => {}
            }
            let outcome = self.list(body);
            status = self.state.status;
            if let Err(stop) = outcome
                && let Pass::Last = leave(stop)?
            {
                break;
            }
        }
        self.state.status = status;
        Ok(())
    }

    fn for_clause(
        &mut self,
        names: &[(Rc<[u8]>, Span)],
        words: Option<&[Word]>,
        body: &List,
    ) -> Result<(), Stop> {
        if let Some(&(_, span)) = names.iter().find(|(name, _)| !self.is_variable(name)) {
            self.survive(ShellError::new("this is not a name", span, 1, Reach::Command));
            return Ok(());
        }
        let values = match words {
            None => self.state.positional.all().to_vec(),
            Some(words) => self.listed(words)?,
        };
        if values.is_empty() {
            self.state.status = 0;
        }
        for values in values.chunks(names.len()) {
            for (at, (name, span)) in names.iter().enumerate() {
                let value = match values.get(at) {
                    Some(value) => {
                        let name = Some(name.clone());
                        let hop = Hop { rule: Rule::Stored, span: *span, name, shifted: 0 };
                        value.passed_through(&hop, Standing::Quoted)
                    }
                    None => self.state.shell_text(b""),
                };
                self.step(*span)?;
                let debugs = at == 0 && self.has_action("DEBUG");
                let debug_loops = self.state.dialect.debug_loops;
                if debugs && debug_loops == DebugLoops::Before {
                    self.act("DEBUG")?;
                }
                let stored = match self.next_name(name, &value, *span) {
                    Some(moved) => moved,
                    None => self.state.store(name, None, value, *span),
                };
                match stored {
                    Err(Stop::Shell(error))
                        if error.reach == Reach::Command
                            || error.is_read_only && self.state.dialect.read_only_loops_go_on =>
                    {
                        self.survive(error);
                        return Ok(());
                    }
                    outcome => outcome?,
                }
                if debugs && debug_loops == DebugLoops::Behind {
                    self.act("DEBUG")?;
                }
            }
            if let Err(stop) = self.list(body)
                && let Pass::Last = leave(stop)?
            {
                break;
            }
        }
        Ok(())
    }

    /// The fields of the words of a compound command. The shell expands them itself, so that a mistake
    /// which would end a command ends the shell.
    fn listed(&mut self, words: &[Word]) -> Result<Vec<Text>, Stop> {
        let mut fields = Vec::new();
        for word in words {
            match expand::fields(self, word) {
                Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                    return Err(Stop::Shell(ShellError { reach: Reach::Shell, ..error }));
                }
                made => fields.append(&mut made?),
            }
        }
        Ok(fields)
    }

    /// Whether this names a variable, or a parameter that is one.
    fn is_variable(&self, name: &[u8]) -> bool {
        is_name(name) || self.state.parameter_number(name).is_some()
    }

    fn repeat_clause(&mut self, count: &Word, body: &List) -> Result<(), Stop> {
        let text = expand::single(self, count, expand::Tilde::Never)?;
        let times = arithmetic::text_value(&mut self.state, text.bytes(), count.span)?;
        self.state.status = 0;
        for _ in 0..times.max(0) {
            self.step(count.span)?;
            if let Err(stop) = self.list(body)
                && let Pass::Last = leave(stop)?
            {
                break;
            }
        }
        Ok(())
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

    fn anonymous(&mut self, body: &Rc<Command>, words: &[Word], span: Span) -> Result<(), Stop> {
        let mut argv = vec![self.state.shell_text(b"(anon)")];
        argv.append(&mut self.listed(words)?);
        let function = Function { body: body.clone(), keyword: true };
        self.call(&function, &argv, span)
    }

    /// `select`: each line of input chooses a word, or makes the variable empty.
    fn select_clause(
        &mut self,
        (name, span): (&Rc<[u8]>, Span),
        words: Option<&[Word]>,
        body: &List,
    ) -> Result<(), Stop> {
        let values = match words {
            None => self.state.positional.all().to_vec(),
            Some(words) => self.listed(words)?,
        };
        self.state.status = 0;
        while !values.is_empty() {
            self.step(span)?;
            let Some((line, whole)) = self.line_of_input() else {
                self.missing("what is chosen in a select", span);
                return Ok(());
            };
            if !whole {
                self.state.status = self.state.dialect.select_end_status;
                return Ok(());
            }
            let chosen = builtins::number(line.bytes()).and_then(|n| usize::try_from(n).ok());
            let value = chosen.and_then(|n| values.get(n.checked_sub(1)?)).cloned();
            self.assign_text(b"REPLY", line, span)?;
            match self.assign_text(name, value.unwrap_or_default(), span) {
                Err(Stop::Shell(error))
                    if error.is_read_only && self.state.dialect.read_only_select_goes_on =>
                {
                    self.survive(error);
                    return Ok(());
                }
                outcome => outcome?,
            }
            if let Err(stop) = self.list(body)
                && let Pass::Last = leave(stop)?
            {
                break;
            }
        }
        Ok(())
    }

    fn arithmetic_for(
        &mut self,
        start: &Arithmetic,
        condition: &Arithmetic,
        step: &Arithmetic,
        body: &List,
        span: Span,
    ) -> Result<(), Stop> {
        self.act_in_arithmetic_for(start.word.parts.is_empty())?;
        arithmetic::value(self, start)?;
        self.state.status = 0;
        let endless = condition.word.parts.is_empty();
        loop {
            self.act_in_arithmetic_for(false)?;
            if !endless && !arithmetic::holds(self, condition)? {
                break;
            }
            self.step(span)?;
            if let Err(stop) = self.list(body)
                && let Pass::Last = leave(stop)?
            {
                break;
            }
            self.act_in_arithmetic_for(step.word.parts.is_empty())?;
            arithmetic::value(self, step)?;
        }
        Ok(())
    }

    /// The action for DEBUG before an expression of `for ((...))`, where loops have it.
    fn act_in_arithmetic_for(&mut self, is_empty: bool) -> Result<(), Stop> {
        let acts = match self.state.dialect.debug_loops {
            DebugLoops::Never => false,
            DebugLoops::Before => true,
            DebugLoops::Behind => !is_empty,
        };
        if acts && self.has_action("DEBUG") { self.act("DEBUG") } else { Ok(()) }
    }

    fn case_clause(&mut self, word: &Word, branches: &[CaseBranch]) -> Result<(), Stop> {
        let value = expand::case_text(self, word)?;
        let (mut falls, mut ran) = (false, false);
        for branch in branches {
            if !falls && !self.matches_any(&branch.patterns, &value)? {
                continue;
            }
            if branch.body.items.is_empty() {
                self.state.status = 0;
            }
            ran = true;
            self.list(&branch.body)?;
            match branch.end {
                CaseEnd::Leave => return Ok(()),
                CaseEnd::Fall => falls = true,
                CaseEnd::Continue => falls = false,
            }
        }
        if !ran {
            self.state.status = 0;
        }
        Ok(())
    }

    fn matches_any(&mut self, patterns: &[Word], value: &Text) -> Result<bool, Stop> {
        for word in patterns {
            let pattern = self.pattern(word, false)?;
            if pattern.matches(value.bytes()) {
                return Ok(true);
            }
        }
        Ok(false)
    }

    /// The pattern that a word of a `case` or a `[[ ]]` is; `grouped` where groups are always known, and also
    /// in values.
    pub(super) fn pattern(&mut self, word: &Word, grouped: bool) -> Result<Pattern, Stop> {
        let text = match grouped {
            true => expand::pattern_text(self, word)?,
            false => expand::case_pattern_text(self, word)?,
        };
        let rules = self.state.text_pattern_rules();
        let rules = PatternRules {
            groups: rules.groups || (grouped && !self.state.dialect.bare_groups),
            groups_in_values: rules.groups_in_values || grouped,
            ..rules
        };
        Ok(Pattern::from_text(&text, rules))
    }

    /// Refuses a call that passes the bound of FUNCNEST.
    fn mind_nesting(&self, span: Span) -> Result<(), Stop> {
        let given = || {
            let text = self.state.variables.scalar(b"FUNCNEST")?;
            std::str::from_utf8(text.bytes()).ok()?.trim().parse::<i64>().ok()
        };
        let (bound, reach) = match self.state.dialect.function_nesting {
            Nesting::Unbounded => return Ok(()),
            Nesting::IfPositive => (given().filter(|&bound| bound > 0), Reach::Line),
            Nesting::From(start) => {
                (Some(given().unwrap_or(start)).filter(|&bound| bound >= 0), Reach::Shell)
            }
        };
        match bound.filter(|&bound| i64::from(self.depth) >= bound) {
            None => Ok(()),
            Some(bound) => {
                let message = format!("functions call each other deeper than FUNCNEST ({bound})");
                Err(Stop::error(message, span, 1, reach))
            }
        }
    }

    /// Carries out the body of a function.
    fn body_of(&mut self, function: &Function) -> Result<(), Stop> {
        if self.state.options.traces_functions && self.has_action("DEBUG") {
            self.act("DEBUG")?;
        }
        match &function.body.kind {
            Node::Group(list) if function.body.redirects.is_empty() => {
                self.step(function.body.span)?;
                self.list(list)
            }
            _ => self.command(&function.body),
        }
    }

    /// Calls a function with the arguments of the latest command.
    pub(super) fn call(
        &mut self,
        function: &Function,
        argv: &[Text],
        span: Span,
    ) -> Result<(), Stop> {
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("function calls inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span });
        }
        self.mind_nesting(span)?;
        let hop = Hop { rule: Rule::Call, span, name: None, shifted: 0 };
        let outer = self.state.positional.share();
        let parameters = Passage::all(&hop, Standing::Quoted, &argv[1..]);
        self.state.positional.set(parameters);
        self.tell_change(Cause::Call, &outer, span)?;
        let has_variables = function.keyword || !self.state.dialect.plain_functions_share;
        self.scopes.push(Scope { has_variables, ..Scope::default() });
        if self.state.dialect.function_zero.include(function.keyword)
            && let Some(name) = argv.first()
        {
            self.state.positional.zero = Rc::new(name.passed_through(&hop, Standing::Quoted));
        }
        let own_options = self.own_options(function.keyword);
        let loops = std::mem::take(&mut self.loops);
        self.depth += 1;
        let local_trap = self.state.dialect.exit_trap_is_local.include(function.keyword);
        let outer_trap = local_trap.then(|| self.state.traps.remove(&b"EXIT"[..])).flatten();
        let from = self.state.doing.at.unwrap_or(span);
        let (name, body) = (argv[0].clone(), function.body.span);
        self.state.doing.calls.push(Call { name, source: body.source, from, body, is_file: false });
        let aside = self.set_actions_aside();
        let mut outcome = self.body_of(function);
        if matches!(outcome, Err(Stop::Enough)) {
            // The state stays as it stands here.
            return outcome;
        }
        self.depth -= 1;
        if let Err(Stop::Return(status)) = outcome {
            self.state.status = status;
        }
        let back = self.actions_come_back(aside);
        self.state.doing.returned += 1;
        if outcome.is_ok() || matches!(outcome, Err(Stop::Return(_))) {
            back?;
        }
        self.state.doing.at = Some(from);
        if local_trap && self.error_exit == Some(self.scopes.len()) {
            outcome = self.leave_shell(outcome, self.scopes.len());
        }
        let holding = self.state.dialect.functions_hold_mistakes.include(function.keyword);
        let holds = holding && !self.mistakes_go_through();
        let kept = match &outcome {
            Err(Stop::Exit(_))
                if self.error_exit.is_some()
                    && let Some(kept) = self.state.dialect.error_exit_keeps =>
            {
                kept
            }
            Err(Stop::Exit(_)) => self.state.dialect.exit_keeps,
            Err(Stop::Shell(error)) if error.reach == Reach::Shell && !holds => {
                self.state.dialect.mistakes_keep
            }
            _ => KeepsScope::Nothing,
        };
        if kept == KeepsScope::All {
            return outcome;
        }
        if kept != KeepsScope::Parameters {
            self.state.doing.calls.pop();
        }
        if kept == KeepsScope::Variables {
            // What is hidden stays hidden.
            self.scopes.last_mut().map(|scope| std::mem::take(&mut scope.hidden));
        }
        if let Some(own_options) = own_options {
            self.earlier_options(own_options);
        }
        if let Some(scope) = self.scopes.pop() {
            if let Some(place) = scope.options_at {
                self.options_at = place;
            }
            let hid_index = scope.hidden.iter().any(|(name, _)| **name == *b"OPTIND");
            self.restore(scope.hidden);
            if hid_index && scope.options_at.is_none() {
                // The value that is back is an order to go there.
                if self.state.dialect.getopts_starts_over_behind_local {
                    let first = self.state.shell_text(b"1");
                    self.state.variables.set(b"OPTIND", first);
                }
                self.state.assigned_option_index = self.state.variables.scalar(b"OPTIND").cloned();
            }
            self.state.options =
                scope.options.unwrap_or_else(|| std::mem::take(&mut self.state.options));
        }
        self.loops = loops;
        if kept == KeepsScope::Parameters {
            return outcome;
        }
        let inner = std::mem::replace(&mut self.state.positional, outer);
        self.tell_change(Cause::Return, &inner, span)?;
        if local_trap {
            outcome = self.leave_shell(outcome, self.scopes.len() + 1);
            if let Some(trap) = outer_trap {
                self.state.traps.insert(b"EXIT"[..].into(), trap);
            }
            if let Err(Stop::Shell(error)) = &mut outcome {
                // Only the innermost function knows of the exit.
                error.exits = false;
            }
        }
        if holds {
            match &outcome {
                Err(Stop::Shell(error)) => {
                    self.state.status = error.status;
                    return Ok(());
                }
                Err(Stop::Syntax(_)) => {
                    self.state.status = self.state.dialect.eval_syntax_status;
                    return Ok(());
                }
                _ => {}
            }
        }
        match outcome {
            Err(Stop::Return(status)) => {
                self.state.status = status;
                Ok(())
            }
            other => other,
        }
    }
}

/// Whether a loop goes on.
enum Pass {
    Next,
    Last,
}

/// What a `break` or `continue` means for the innermost loop; anything else goes further out.
fn leave(stop: Stop) -> Result<Pass, Stop> {
    match stop {
        Stop::Break(1) => Ok(Pass::Last),
        Stop::Break(levels) => Err(Stop::Break(levels - 1)),
        Stop::Continue(1) => Ok(Pass::Next),
        Stop::Continue(levels) => Err(Stop::Continue(levels - 1)),
        other => Err(other),
    }
}
