//! Loops: `while`, `for`, `select`, `repeat`, and arithmetic `for` (POSIX XCU 2.9.4).

use std::rc::Rc;

use crate::dialect::DebugLoops;
use crate::expand::disciplines;
use crate::expand::{self, Context, arithmetic};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::ast::{Arithmetic, List, Word};
use crate::text::{Standing, Text};
use crate::walk::{Walker, builtins};

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

impl Walker {
    /// One pass of a loop, and whether another may follow.
    fn pass(&mut self, body: &List) -> Result<Pass, Stop> {
        match self.list(body) {
            Ok(()) => Ok(Pass::Next),
            Err(stop) => leave(stop),
        }
    }

    pub(super) fn loop_clause(
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
                Err(stop @ (Stop::Break(_) | Stop::Continue(_)))
                    if self.state.dialect.left_conditions_count =>
                {
                    if (self.state.status == 0) != until {
                        status = self.state.status;
                        match leave(stop)? {
                            Pass::Next => continue,
                            Pass::Last => break,
                        }
                    }
                    // The condition ends the loop, and with it one of those to leave.
                    self.state.status = status;
                    leave(stop)?;
                    return Ok(());
                }
                Err(stop @ Stop::Shell(_)) if self.state.dialect.mistakes_keep_status => {
                    return Err(stop.leaving(if until { 1 } else { status }));
                }
                Err(stop) => match leave(stop)? {
                    Pass::Next => continue,
                    Pass::Last => break,
                },
                Ok(()) if (self.state.status == 0) == until => break,
                Ok(()) => {}
            }
            let outcome = self.pass(body);
            status = self.state.status;
            if let Pass::Last = outcome? {
                break;
            }
        }
        self.state.status = status;
        Ok(())
    }

    /// Whether a loop that cannot give its name a value is passed over, where the shell goes on behind one.
    fn passes(&self, error: &ShellError, goes_on: bool) -> bool {
        let ends = self.state.dialect.passed_over_end_under_option;
        error.is_read_only && goes_on && !(ends && self.state.options.exit_on_error)
    }

    /// The status of a compound command that carries nothing out: that of a substitution in its words, where the
    /// shell keeps it.
    pub(super) fn idle_status(&mut self) -> Status {
        let kept = self.substituted.take();
        kept.filter(|_| self.state.dialect.idle_commands_keep_status).unwrap_or(0)
    }

    pub(super) fn for_clause(
        &mut self,
        names: &[(Rc<[u8]>, Span)],
        words: Option<&[Word]>,
        body: &List,
        told: Option<Text>,
    ) -> Result<(), Stop> {
        if let Some(&(_, span)) = names.iter().find(|(name, _)| !self.is_variable(name)) {
            self.survive(ShellError::new("this is not a name", span, 1, Reach::Command));
            return Ok(());
        }
        self.substituted = None;
        let values = match words {
            None => self.state.positional.all().to_vec(),
            Some(words) => self.listed(words)?,
        };
        if values.is_empty() {
            self.state.status = self.idle_status();
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
                self.note_told(&told);
                let debugs = at == 0 && self.has_action("DEBUG");
                let debug_loops = self.state.dialect.debug_loops;
                if debugs && debug_loops == DebugLoops::Before {
                    self.act("DEBUG")?;
                }
                let stored = match self.next_name(name, &value, *span) {
                    Some(moved) => moved,
                    None => disciplines::store(self, name, None, value, *span),
                };
                match stored {
                    Err(Stop::Shell(error))
                        if error.reach == Reach::Command
                            || self.passes(&error, self.state.dialect.read_only_loops_go_on) =>
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
            if let Pass::Last = self.pass(body)? {
                break;
            }
        }
        Ok(())
    }

    pub(super) fn repeat_clause(&mut self, count: &Word, body: &List) -> Result<(), Stop> {
        let text = expand::single(self, count, expand::Tilde::Never)?;
        let times = arithmetic::text_value(self, text.bytes(), count.span)?;
        self.state.status = 0;
        for _ in 0..times.max(0) {
            self.step(count.span)?;
            if let Pass::Last = self.pass(body)? {
                break;
            }
        }
        Ok(())
    }

    /// `select`: each line of input chooses a word, or makes the variable empty.
    pub(super) fn select_clause(
        &mut self,
        (name, span): (&Rc<[u8]>, Span),
        words: Option<&[Word]>,
        body: &List,
        told: Option<Text>,
    ) -> Result<(), Stop> {
        self.substituted = None;
        let values = match words {
            None => self.state.positional.all().to_vec(),
            Some(words) => self.listed(words)?,
        };
        let dialect = self.state.dialect.clone();
        self.note_told(&told);
        if dialect.debug_loops == DebugLoops::Before {
            self.act("DEBUG")?;
        }
        if values.is_empty() {
            self.state.status = match dialect.empty_select_fails {
                true => 1,
                false => self.idle_status(),
            };
            return Ok(());
        }
        loop {
            self.step(span)?;
            let Some((line, whole)) = self.line_of_input()? else {
                self.missing("what is chosen in a select", span);
                return Ok(());
            };
            if !whole {
                self.assign_text(b"REPLY", Text::new(), span)?;
                self.state.status = dialect.select_end_status.unwrap_or(self.state.status);
                return Ok(());
            }
            let chosen = builtins::number(line.bytes()).and_then(|n| usize::try_from(n).ok());
            let value = chosen.and_then(|n| values.get(n.checked_sub(1)?)).cloned();
            self.assign_text(b"REPLY", line, span)?;
            match self.assign_text(name, value.unwrap_or_default(), span) {
                Err(Stop::Shell(error))
                    if self.passes(&error, self.state.dialect.read_only_select_goes_on) =>
                {
                    self.survive(error);
                    return Ok(());
                }
                outcome => outcome?,
            }
            if let Pass::Last = self.pass(body)? {
                break;
            }
        }
        Ok(())
    }

    pub(super) fn arithmetic_for(
        &mut self,
        start: &Arithmetic,
        condition: &Arithmetic,
        step: &Arithmetic,
        body: &List,
        span: Span,
    ) -> Result<(), Stop> {
        self.act_in_arithmetic_for(start, start.is_blank(), span)?;
        if self.loop_value(start)?.is_none() {
            return Ok(());
        }
        self.state.status = 0;
        let endless = condition.is_blank();
        loop {
            self.act_in_arithmetic_for(condition, false, span)?;
            if !endless && self.loop_value(condition)? != Some(true) {
                break;
            }
            self.step(span)?;
            if let Pass::Last = self.pass(body)? {
                break;
            }
            self.act_in_arithmetic_for(step, step.is_blank(), span)?;
            if self.loop_value(step)?.is_none() {
                break;
            }
        }
        Ok(())
    }

    /// Whether an expression of `for ((...))` is anything but 0; nothing where a mistake in it ends the loop
    /// and no more.
    fn loop_value(&mut self, expression: &Arithmetic) -> Result<Option<bool>, Stop> {
        match arithmetic::holds(self, expression) {
            Err(Stop::Shell(error))
                if self.state.dialect.arithmetic_for_recovers && !error.goes_through =>
            {
                self.survive(error);
                Ok(None)
            }
            holds => holds.map(Some),
        }
    }

    /// The action for DEBUG before an expression of `for ((...))`, where loops have it.
    fn act_in_arithmetic_for(
        &mut self,
        expression: &Arithmetic,
        is_empty: bool,
        span: Span,
    ) -> Result<(), Stop> {
        self.state.doing.at = Some(span);
        self.note_expression(expression);
        let acts = match self.state.dialect.debug_loops {
            DebugLoops::Never => false,
            DebugLoops::Before => true,
            DebugLoops::Behind => !is_empty,
        };
        if acts && self.has_action("DEBUG") { self.act("DEBUG") } else { Ok(()) }
    }
}
