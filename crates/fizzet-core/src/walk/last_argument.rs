//! `$_`: the last argument of the latest command.

use std::rc::Rc;

use crate::dialect::LastArgument;
use crate::source::Span;
use crate::state::Value;
use crate::stop::Stop;
use crate::syntax::assignment_of;
use crate::syntax::ast::{
    Argument, AssignedValue, Command, CommandKind as Node, List, Pipeline, SimpleCommand,
};
use crate::text::Text;
use crate::trace::CommandKind;
use crate::walk::Walker;

impl Walker {
    /// Carries out a command, and leaves its last argument for `$_` when the shell does that. `written` is the
    /// command as it is written, `lone` whether it is all there is of a pipeline.
    pub(super) fn with_last_argument(
        &mut self,
        (argv, kind): (&Rc<Vec<Text>>, CommandKind),
        (written, lone): (&SimpleCommand, bool),
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let leaves = self.state.dialect.last_argument;
        let before = (leaves == LastArgument::Before
            && (!argv.is_empty() || (lone && only_assigns(written))))
        .then(|| self.argument_before(argv, written));
        if before.is_some() {
            self.state.doing.last = before.clone();
        }
        let outcome = run(self);
        match leaves {
            LastArgument::Behind => self.leave_argument(argv),
            LastArgument::Before if kind == CommandKind::Function => self.state.doing.last = before,
            LastArgument::Lines => self.leave_for_line(argv, written),
            LastArgument::Before | LastArgument::Never => {}
        }
        self.sought = None;
        outcome
    }

    /// A compound command begins: it has no argument, which counts where arguments are left before commands.
    /// One that is all there is of a pipeline, and holds none that could have arguments, leaves what was left
    /// before.
    pub(super) fn begin_without_argument(&mut self, command: &Command, lone: bool) {
        if self.state.dialect.last_argument != LastArgument::Before
            || matches!(command.kind, Node::Simple(_) | Node::Anonymous { .. })
        {
            return;
        }
        if !(lone && has_no_arguments(command)) {
            self.state.doing.last = Some(Rc::default());
        }
    }

    /// Carries out a line of the script itself, and leaves the last argument of the command that is all there is of
    /// it, as a variable like any other.
    pub(super) fn line_with_last_argument(&mut self, list: &List) -> Result<(), Stop> {
        if self.state.dialect.last_argument != LastArgument::Lines {
            return self.list(list);
        }
        self.line_command = lone_command(list).and_then(begin);
        let outcome = self.list(list);
        self.line_command = None;
        if let Some(argument) = self.line_argument.take() {
            self.state.variables.entry(b"_").value = Value::Scalar(argument);
        }
        outcome
    }

    /// Leaves the last argument of a command for `$_`.
    pub(super) fn leave_argument(&mut self, argv: &Rc<Vec<Text>>) {
        self.state.doing.last = Some(argv.clone());
    }

    /// What is left before a command: the last of the arguments that are not written as assignments behind a
    /// declaration, as it is before the files that it matches take its place.
    fn argument_before(&mut self, argv: &Rc<Vec<Text>>, written: &SimpleCommand) -> Rc<Vec<Text>> {
        if let Some(pattern) = self.state.doing.pattern.take() {
            return Rc::new(vec![pattern]);
        }
        let Some(first) = self.first_declared(written) else { return argv.clone() };
        let before = argv.iter().take_while(|text| !begins_behind(text, first)).last();
        Rc::new(before.cloned().into_iter().collect())
    }

    /// Keeps the last argument of a command, if that is all there is of the line; of one that a declaration assigns, the name.
    pub(super) fn leave_for_line(&mut self, argv: &[Text], written: &SimpleCommand) {
        let ([name, ..], Some(last)) = (argv, argv.last()) else { return };
        if self.line_command.is_none() || self.line_command != begin(written) {
            return;
        }
        let declares = self.state.dialect.is_declaration(name.bytes());
        let sign = last.bytes().iter().position(|&byte| byte == b'=').filter(|_| declares);
        self.line_argument = Some(match sign {
            Some(sign) => {
                let appends = last.bytes()[..sign].ends_with(b"+");
                last.slice(0, sign - usize::from(appends))
            }
            None => last.clone(),
        });
    }

    /// Where the first assignment stands behind a declaration utility that is a reserved word.
    fn first_declared(&self, written: &SimpleCommand) -> Option<Span> {
        let Some(Argument::Word(name)) = written.words.first() else { return None };
        let dialect = &self.state.dialect;
        name.literal().filter(|name| dialect.is_declaration(name))?;
        let is_assignment = |argument: &&Argument| match argument {
            Argument::Word(word) => {
                assignment_of(&self.state.sources, word.span, dialect).is_some()
            }
            Argument::Assignment(_) => true,
        };
        written.words[1..].iter().find(is_assignment).map(Argument::span)
    }
}

/// Where the words of a command begin.
fn begin(command: &SimpleCommand) -> Option<Span> {
    command.words.first().map(Argument::span)
}

/// The command that is all there is of a list, with or without braces around it.
fn lone_command(list: &List) -> Option<&SimpleCommand> {
    let [item] = &list.items[..] else { return None };
    let [command] = &item.first.commands[..] else { return None };
    if item.background || !item.rest.is_empty() || item.first.negated || item.first.timed {
        return None;
    }
    match &command.kind {
        Node::Simple(simple) => Some(simple),
        Node::Group(inner) if command.redirects.is_empty() => lone_command(inner),
        _ => None,
    }
}

/// Whether what an argument was made of is written at this place or behind it.
fn begins_behind(argument: &Text, place: Span) -> bool {
    argument.runs().next().is_some_and(|(run, _)| {
        let span = run.origin.span();
        span.source == place.source && span.start >= place.start
    })
}

/// Whether a command is nothing but assignments of single words.
fn only_assigns(command: &SimpleCommand) -> bool {
    command.words.is_empty()
        && command.assignments.iter().all(|one| matches!(one.value, AssignedValue::Scalar(_)))
}

/// Whether a command holds none that could have arguments, no redirection and nothing that runs beside the shell.
fn has_no_arguments(command: &Command) -> bool {
    command.redirects.is_empty()
        && match &command.kind {
            Node::Simple(command) => only_assigns(command),
            Node::Arithmetic(_) | Node::Conditional(_) => true,
            Node::Group(body)
            | Node::For { body, select: false, .. }
            | Node::ArithmeticFor { body, .. }
            | Node::Repeat { body, .. } => all_without_arguments(body),
            Node::Always { body, cleanup } => {
                all_without_arguments(body) && all_without_arguments(cleanup)
            }
            Node::Loop { condition, body, .. } => {
                all_without_arguments(condition) && all_without_arguments(body)
            }
            Node::If { branches, otherwise } => {
                let mut lists = branches.iter().flat_map(|(condition, body)| [condition, body]);
                lists.all(all_without_arguments)
                    && otherwise.as_ref().is_none_or(all_without_arguments)
            }
            Node::Case { branches, .. } => {
                branches.iter().all(|branch| all_without_arguments(&branch.body))
            }
            Node::For { .. }
            | Node::Pipeline(_)
            | Node::Subshell(_)
            | Node::Anonymous { .. }
            | Node::Function { .. }
            | Node::Coprocess { .. } => false,
        }
}

fn all_without_arguments(list: &List) -> bool {
    let is_plain = |pipeline: &Pipeline| match &pipeline.commands[..] {
        [command] => !pipeline.negated && !pipeline.timed && has_no_arguments(command),
        _ => false,
    };
    let mut items = list.items.iter();
    items.all(|item| {
        let rest = item.rest.iter().map(|(_, pipeline)| pipeline);
        !item.background && std::iter::once(&item.first).chain(rest).all(is_plain)
    })
}
