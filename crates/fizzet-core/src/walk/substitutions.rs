//! Command substitutions: `$(...)`, backquotes, `$(<file)`, and mksh's and ksh93's `${ ...;}`.

use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{
    AskedSubstitutions, FileSubstitution, Nul, ReadAnew, ReadLate, SubstitutionStatus,
};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Stop, as_process};
use crate::syntax::Parser;
use crate::syntax::ast::{
    Argument, Command, CommandKind, CommandSubstitution, List, Redirect, RedirectOperator,
    RedirectTarget, SubstitutionPlace,
};
use crate::text::{Standing, Text};
use crate::trace::Missing;
use crate::walk::Walker;
use crate::walk::builtins::SubshellIs;
use crate::walk::call::Scope;

impl Walker {
    /// The output of a command substitution, without its last newlines.
    pub(super) fn substitution(&mut self, command: &CommandSubstitution) -> Result<Text, Stop> {
        if let Some(error) = &command.broken
            && self.state.dialect.backquotes_read_late == ReadLate::Fatal
        {
            return Err(Stop::Syntax((**error).clone()));
        }
        let anew = self.read_anew(command);
        let whole = match &anew {
            Some(anew) if !anew.by_line => Some(self.read_whole(anew)?),
            _ => None,
        };
        let lines = anew.filter(|anew| anew.by_line);
        let (list, span) = (whole.as_ref().unwrap_or(&command.list), command.span);
        let limit = self.state.limits.depth;
        if self.depth >= limit {
            let (what, limit) = ("substitutions inside each other", u64::from(limit));
            return Err(Stop::Limit { what, limit, span });
        }
        self.depth += 1;
        let (outer_lines, at) = (self.state.doing.inner_lines.len(), self.state.doing.at);
        self.state.number_inner_lines(command);
        let (before, mistakes) = (self.state.status, self.mistakes.len());
        self.before_mistake = None;
        let beside = self.beside.take();
        // The word that holds the substitution goes on being recorded behind it.
        let word = self.word.take();
        let (output, outcome) = match command.place {
            SubstitutionPlace::Subshell if self.names_file(list) => self.file_output(list),
            SubstitutionPlace::Subshell => self.captured(|walker| {
                walker.subshell_is = match is_lone_trap(list) {
                    true => SubshellIs::LoneTrap,
                    false => SubshellIs::Substitution,
                };
                walker.asked_inside(|walker| {
                    walker.state.options.exit_on_error &=
                        walker.state.dialect.substitution_keeps_exit_on_error
                            || walker.state.options.inherits_exit_on_error;
                    let last =
                        last_simple(list).filter(|_| walker.state.dialect.last_programs_replace);
                    let outer = walker.replaced_at;
                    walker.replaced_at = last.map(|command| (command.span, false));
                    let outcome = match &lines {
                        Some(lines) => walker.lines_read_anew(lines),
                        None => walker.list(list),
                    };
                    walker.replaced_at = outer;
                    outcome?;
                    if list.items.is_empty() {
                        walker.state.status = 0;
                    }
                    walker.meet_broken(command);
                    Ok(())
                })
            }),
            SubstitutionPlace::Here => {
                self.in_braces(|walker| walker.captured(|walker| walker.here(list)))
            }
            SubstitutionPlace::Reply => self.in_braces(|walker| walker.reply_of(list)),
        };
        self.word = word;
        self.depth -= 1;
        self.state.doing.inner_lines.truncate(outer_lines);
        if command.place == SubstitutionPlace::Subshell {
            self.state.doing.at = at;
        }
        if self.state.dialect.lone_arithmetic_ends_shell
            && self.mistakes.len() > mistakes
            && let Some(expression) = lone_expression(list)
        {
            let message = "a mistake in this expression ends the shell around the substitution";
            return Err(Stop::error(message, expression.span, 1, Reach::Shell));
        }
        self.state.variables.forget_newline();
        self.miss_output(&output);
        match outcome {
            Err(Stop::Return(status)) if command.place != SubstitutionPlace::Subshell => {
                self.state.status = status;
            }
            outcome => outcome?,
        }
        self.act_on_signals_inside()?;
        self.substituted = Some(as_process(self.state.status));
        let latest_beside = std::mem::replace(&mut self.beside, beside);
        self.state.status = match self.state.dialect.substitution_status {
            SubstitutionStatus::Kept => before,
            SubstitutionStatus::KeptUnlessPiped if is_lone_pipeline(list) => 0,
            SubstitutionStatus::KeptUnlessPiped => before,
            SubstitutionStatus::ShownButForFiles
                if self.names_file(list) && self.state.status == 0 =>
            {
                before
            }
            SubstitutionStatus::Shown | SubstitutionStatus::ShownButForFiles => self.state.status,
            SubstitutionStatus::OfBeside if lone_redirects(list).is_some() => before,
            SubstitutionStatus::OfBeside => {
                latest_beside.or(self.before_mistake.take()).unwrap_or(self.state.status)
            }
        };
        match command.place {
            SubstitutionPlace::Reply => Ok(output),
            _ => Ok(trimmed(&output, self.state.dialect.substitution_nul)),
        }
    }

    /// Runs the commands of a substitution; whether the status of what holds it is only asked for may count
    /// for them too.
    fn asked_inside(
        &mut self,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let counts = match self.state.dialect.asked_substitutions {
            AskedSubstitutions::Never => false,
            AskedSubstitutions::InWords => self.in_words,
            AskedSubstitutions::Always => true,
        };
        let outer = (self.testing, std::mem::take(&mut self.in_words));
        let knows =
            self.testing > self.testing_of_text || self.state.options.inherits_exit_on_error;
        if !(counts && knows) {
            self.testing = 0;
        }
        let outcome = self.subshell(run);
        (self.testing, self.in_words) = outer;
        outcome
    }

    /// Carries the commands of `${ list; }` or `${|list;}` out, which have variables of their own as a
    /// function has in some shells.
    fn in_braces<T>(&mut self, run: impl FnOnce(&mut Walker) -> T) -> T {
        match self.state.dialect.command_braces_have_variables {
            true => self.with_variables(run),
            false => run(self),
        }
    }

    /// Carries something out that has variables of its own as a function has.
    pub(super) fn with_variables<T>(&mut self, run: impl FnOnce(&mut Walker) -> T) -> T {
        self.scopes.push(Scope { has_variables: true, ..Scope::default() });
        let made = run(self);
        if let Some(scope) = self.scopes.pop() {
            self.restore(scope.hidden);
        }
        made
    }

    /// The commands of `${ list; }`: a command that fails ends them under `set -e`, or nothing at all. A mistake and
    /// `exit` end them, and no more.
    fn here(&mut self, list: &List) -> Result<(), Stop> {
        let outcome = match self.state.dialect.errors_end_command_braces {
            false => self.tested(|walker| walker.list(list)),
            true => self.list(list),
        };
        match outcome {
            Err(Stop::Exit(status)) => {
                self.error_exit = None;
                self.state.status = status;
            }
            Err(Stop::Shell(error)) => {
                self.before_mistake = Some(self.state.status);
                self.survive(error);
            }
            outcome => outcome?,
        }
        Ok(())
    }

    /// Finds what is wrong behind the commands of a substitution, and goes on.
    fn meet_broken(&mut self, command: &CommandSubstitution) {
        if let Some(error) = &command.broken
            && let ReadLate::Status(status) = self.state.dialect.backquotes_read_late
        {
            let error = ShellError::new(error.to_string(), error.span, status, Reach::Command);
            self.survive(error);
        }
    }

    /// Says which programs would have to be run to know an output.
    fn miss_output(&mut self, output: &Text) {
        for (run, _) in output.runs().filter(|(run, _)| run.hole) {
            let span = run.origin.span();
            let Some(argv) = self.unanswered.get(&span).cloned() else { continue };
            let is_known = !argv.iter().any(Text::has_hole);
            let words: Vec<_> = argv.iter().map(|text| text.bytes().to_str_lossy()).collect();
            let command = words.join(" ");
            let what = match is_known {
                true => format!("what `{command}` prints"),
                false => format!("what `{command}` prints, in which words are not known"),
            };
            let missing = Missing { what, span, command: Some(command) };
            self.state.keep_missing(missing);
        }
    }

    /// Carries commands out for what they leave in REPLY, which is a variable of their own.
    fn reply_of(&mut self, list: &List) -> (Text, Result<(), Stop>) {
        let outer = self.state.variables.remove(b"REPLY");
        let outcome = self.list(list);
        let reply = self.state.variables.scalar(b"REPLY").cloned().unwrap_or_default();
        self.state.variables.restore(b"REPLY", outer);
        (reply, outcome)
    }

    /// What is read of a substitution once more, where the shell does that and aliases can make a difference.
    fn read_anew(&self, command: &CommandSubstitution) -> Option<Anew> {
        let rule = self.state.dialect.substitutions_read_anew;
        if rule == ReadAnew::No || !command.as_written {
            return None;
        }
        let (inside, in_backquotes) = match self.state.sources.bytes(command.span) {
            [b'$', b'(', inside @ .., b')'] => (inside, false),
            [b'`', inside @ .., b'`'] => (inside, true),
            _ => return None,
        };
        let by_line = match rule {
            ReadAnew::BackquotesByLine if !in_backquotes => return None,
            ReadAnew::No | ReadAnew::Whole => false,
            ReadAnew::ByLine | ReadAnew::BackquotesByLine => true,
        };
        let can_differ = !self.state.aliases.is_empty()
            || (by_line && inside.contains(&b'\n') && inside.contains_str("alias"));
        let opener = if in_backquotes { 1 } else { 2 };
        let start = command.span.start + opener;
        let span = Span { start, end: start + inside.len() as u32, ..command.span };
        can_differ.then_some(Anew { span, by_line })
    }

    /// The commands of a substitution, read as a whole with the aliases that there are now.
    fn read_whole(&self, anew: &Anew) -> Result<Rc<List>, Stop> {
        let text = self.state.sources.bytes(anew.span);
        let mut parser = Parser::new(text, anew.span.source, &self.state.dialect);
        parser.begins_at(anew.span.start as usize);
        self.prepare(&mut parser);
        Ok(Rc::new(parser.all_commands()?))
    }

    /// Reads and carries out one line of a substitution after the other.
    fn lines_read_anew(&mut self, anew: &Anew) -> Result<(), Stop> {
        let bytes = self.state.sources.get(anew.span.source).bytes.clone();
        let dialect = self.state.dialect.clone();
        let (start, end) = (anew.span.start as usize, anew.span.end as usize);
        let mut parser = Parser::new(&bytes[start..end], anew.span.source, &dialect);
        parser.begins_at(start);
        loop {
            self.prepare(&mut parser);
            let Some(list) = parser.next_commands()? else { return Ok(()) };
            self.list(&list)?;
        }
    }

    /// Whether commands are nothing but `<file`, which stands for what the file holds.
    fn names_file(&self, list: &List) -> bool {
        file_read(list, self.state.dialect.file_substitution).is_some()
    }

    /// What the file of `$(<file)` holds.
    fn file_output(&mut self, list: &List) -> (Text, Result<(), Stop>) {
        let rule = self.state.dialect.file_substitution;
        let Some(redirect) = file_read(list, rule) else { return (Text::new(), Ok(())) };
        match self.lone_redirection(redirect) {
            Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                (Text::new(), self.survive_told(error))
            }
            Err(stop) => (Text::new(), Err(stop)),
            Ok(made) => {
                self.state.status = 0;
                let text = self.input_of(&made).rest();
                let mut unknown = Text::new();
                unknown.push_hole(Standing::Quoted, &Origin::new(Rule::Output, redirect.span));
                (text.unwrap_or(unknown), Ok(()))
            }
        }
    }
}

/// The text of a substitution that is read once more when it is carried out.
struct Anew {
    /// What stands between its parentheses or backquotes.
    span: Span,
    /// Whether each line is carried out before the next one is read.
    by_line: bool,
}

/// The redirection that commands are read from by the shell itself, if they are nothing but redirections.
fn file_read(list: &List, rule: FileSubstitution) -> Option<&Redirect> {
    use RedirectOperator::{HereDocument, HereDocumentTabs, HereString, Input};
    let [redirect, others @ ..] = lone_redirects(list)? else { return None };
    let of_input = matches!(redirect.target, None | Some(RedirectTarget::Descriptor(0)));
    let reads = match rule {
        FileSubstitution::No => false,
        FileSubstitution::Alone => others.is_empty() && of_input && redirect.operator == Input,
        FileSubstitution::First | FileSubstitution::FirstOfAny => {
            (of_input || rule == FileSubstitution::FirstOfAny)
                && matches!(redirect.operator, Input | HereDocument | HereDocumentTabs | HereString)
        }
    };
    reads.then_some(redirect)
}

/// The redirections of commands that are nothing but that.
fn lone_redirects(list: &List) -> Option<&[Redirect]> {
    let [and_or] = &list.items[..] else { return None };
    let [command] = &and_or.first.commands[..] else { return None };
    let CommandKind::Simple(simple) = &command.kind else { return None };
    let plain = and_or.rest.is_empty() && !and_or.background && !and_or.first.negated;
    let nothing_else = simple.words.is_empty() && simple.assignments.is_empty();
    (plain && nothing_else).then_some(&command.redirects)
}

/// Whether commands are nothing but `trap`.
fn is_lone_trap(list: &List) -> bool {
    let [and_or] = &list.items[..] else { return false };
    let [command] = &and_or.first.commands[..] else { return false };
    let CommandKind::Simple(simple) = &command.kind else { return false };
    and_or.rest.is_empty()
        && matches!(&simple.words[..], [Argument::Word(word)] if word.literal() == Some(b"trap"))
}

/// The `((...))` that commands are, in braces or not, if they are nothing else.
fn lone_expression(list: &List) -> Option<&Command> {
    let [and_or] = &list.items[..] else { return None };
    let [command] = &and_or.first.commands[..] else { return None };
    let is_alone = and_or.rest.is_empty() && !and_or.background && !and_or.first.negated;
    match &command.kind {
        _ if !is_alone || !command.redirects.is_empty() => None,
        CommandKind::Arithmetic(_) => Some(command),
        CommandKind::Group(list) => lone_expression(list),
        _ => None,
    }
}

/// Whether commands are one pipeline of several, with nothing before or behind it.
fn is_lone_pipeline(list: &List) -> bool {
    let [and_or] = &list.items[..] else { return false };
    let pipeline = &and_or.first;
    let bare = !and_or.background && !pipeline.negated && !pipeline.timed;
    and_or.rest.is_empty() && bare && pipeline.commands.len() > 1
}

/// The output of a command substitution: without its last newlines, and NUL bytes as the shell has
/// them.
fn trimmed(output: &Text, nul: Nul) -> Text {
    let text = match output.bytes().iter().position(|&byte| byte == 0) {
        Some(at) if nul == Nul::EndsText => output.slice(0, at),
        Some(_) if nul == Nul::Vanishes => {
            let mut kept = Text::new();
            for (run, bytes) in output.runs() {
                let bytes: Vec<u8> = bytes.iter().copied().filter(|&byte| byte != 0).collect();
                kept.push(&bytes, run.standing, &run.origin);
            }
            kept
        }
        _ => output.clone(),
    };
    let newlines = text.bytes().iter().rev().take_while(|&&byte| byte == b'\n').count();
    let last_hole = text.runs().filter(|(run, _)| run.hole).map(|(run, _)| run.end as usize).last();
    match last_hole {
        None => text.slice(0, text.len() - newlines),
        // Those that the hole may end in are behind it, wherever that is.
        Some(hole) => text.slice_with_holes(0, hole.max(text.len() - newlines)),
    }
}

/// The simple command without redirections that a list ends with, if nothing asks for its status.
pub(super) fn last_simple(list: &List) -> Option<&Command> {
    let last = list.items.last().filter(|last| !last.background)?;
    let pipeline = last.rest.last().map_or(&last.first, |(_, pipeline)| pipeline);
    match &pipeline.commands[..] {
        [command] if !(pipeline.negated || pipeline.timed) && command.redirects.is_empty() => {
            Some(command).filter(|command| matches!(command.kind, CommandKind::Simple(_)))
        }
        _ => None,
    }
}
