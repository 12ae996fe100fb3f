//! zsh's layout: a tab a level, a line a command; words stay as they were written (observed in zsh
//! 5.9).

use crate::definition::page::{Layout, Page};
use crate::dialect::Dialect;
use crate::expand::quoting::told;
use crate::source::{SourceKind, Span};
use crate::state::Function;
use crate::syntax::ast::{
    AndOr, Argument, Arithmetic, CaseBranch, CaseEnd, Command, CommandKind, Condition, Connector,
    List, Part, Pipeline, Redirect, RedirectOperator, RedirectTarget, SimpleCommand, Word,
};
use crate::syntax::is_name;
use crate::text::Text;

pub(super) fn definition<'a>(
    page: Page<'a>,
    dialect: &'a Dialect,
    name: &[u8],
    function: &Function,
) -> Text {
    let mut printer = Printer { page, dialect, level: 0, bodies: Vec::new() };
    printer.page.bytes(&told(dialect, name));
    printer.function(&function.body);
    printer.page.say("\n");
    printer.page.text
}

pub(super) fn commands<'a>(page: Page<'a>, dialect: &'a Dialect, commands: &AndOr) -> Text {
    let mut printer = Printer { page, dialect, level: 0, bodies: Vec::new() };
    printer.and_or(commands);
    printer.page.text
}

pub(super) fn list<'a>(page: Page<'a>, dialect: &'a Dialect, list: &List) -> Text {
    let mut printer = Printer { page, dialect, level: 0, bodies: Vec::new() };
    printer.list(list);
    if !printer.bodies.is_empty() {
        printer.new_line();
    }
    printer.page.text
}

struct Printer<'a> {
    page: Page<'a>,
    dialect: &'a Dialect,
    level: usize,
    /// The here-documents whose bodies come where the line ends.
    bodies: Vec<Redirect>,
}

impl<'a> Layout<'a> for Printer<'a> {
    fn page(&mut self) -> &mut Page<'a> {
        &mut self.page
    }

    fn inner_list(&mut self, _list: &List) {}

    fn renews_substitutions(&self) -> bool {
        false
    }

    fn ansi_c(&mut self, _bytes: &[u8], span: Span) {
        self.page.source(span);
    }
}

impl Printer<'_> {
    /// Ends the line; the bodies that wait follow it.
    fn new_line(&mut self) {
        self.page.say("\n");
        for redirect in std::mem::take(&mut self.bodies) {
            self.page.document(&redirect);
        }
        self.page.say(&"\t".repeat(self.level));
    }

    fn line(&mut self, text: &str) {
        self.new_line();
        self.page.say(text);
    }

    /// What stands behind the name of a function.
    fn function(&mut self, body: &Command) {
        self.page.say(" () {");
        if matches!(self.page.sources.get(body.span.source).kind, SourceKind::Built("autoload")) {
            let traced = self.page.sources.bytes(body.span).rsplit(|&byte| byte == b'-').next();
            let traced = traced.is_some_and(|letters| letters.contains(&b't'));
            self.page.say("\n\t# undefined");
            self.page.say(if traced { "\n\t# traced" } else { "" });
        }
        let redirects = match &body.kind {
            CommandKind::Group(list) => {
                self.inner(list);
                &body.redirects[..]
            }
            _ => {
                self.level += 1;
                self.new_line();
                self.command(body);
                self.level -= 1;
                &[]
            }
        };
        self.line("}");
        self.redirects(redirects);
    }

    /// Commands a level further in, from a new line.
    fn inner(&mut self, list: &List) {
        self.level += 1;
        self.new_line();
        self.list(list);
        self.level -= 1;
    }

    fn list(&mut self, list: &List) {
        for (at, item) in list.items.iter().enumerate() {
            if at > 0 {
                self.new_line();
            }
            self.and_or(item);
            if item.background {
                self.page.say(if self.is_disowned(item) { " &|" } else { " &" });
            }
        }
    }

    /// Whether `&|` or `&!` stands behind a command.
    fn is_disowned(&self, item: &AndOr) -> bool {
        let source = self.page.sources.get(item.span.source);
        let behind = source.bytes.get(item.span.end as usize..).unwrap_or_default();
        let behind = behind.trim_ascii_start();
        matches!(behind, [b'&', b'|' | b'!', ..])
    }

    fn and_or(&mut self, item: &AndOr) {
        self.pipeline(&item.first);
        for (connector, pipeline) in &item.rest {
            self.page.say(match connector {
                Connector::And => " && ",
                Connector::Or => " || ",
            });
            self.pipeline(pipeline);
        }
    }

    fn pipeline(&mut self, pipeline: &Pipeline) {
        let is_empty = pipeline.commands.is_empty();
        if pipeline.timed {
            self.page.say(if is_empty { "time" } else { "time " });
            self.level += 1;
        }
        if pipeline.negated {
            self.page.say(if is_empty { "!" } else { "! " });
        }
        let mut left: Option<Span> = None;
        for command in &pipeline.commands {
            if let Some(left) = left {
                let both = self.page.between(left, command.span).contains(&b'&');
                self.page.say(if both { " 2>&1 | " } else { " | " });
            }
            self.command(command);
            left = Some(command.span);
        }
        self.level -= usize::from(pipeline.timed);
    }

    fn command(&mut self, command: &Command) {
        match &command.kind {
            CommandKind::Simple(simple) => self.simple(simple),
            CommandKind::Group(list) => self.block("{", list, "}"),
            CommandKind::Pipeline(pipeline) => self.pipeline(pipeline),
            CommandKind::Subshell(list) => self.block("(", list, ")"),
            CommandKind::If { branches, otherwise } => self.branches(branches, otherwise.as_ref()),
            CommandKind::Loop { until, condition, body } => {
                self.page.say(if *until { "until " } else { "while " });
                self.condition_list(condition);
                self.new_line();
                self.block("do", body, "done");
            }
            CommandKind::For { names, words, body, select } => {
                self.page.say(if *select { "select" } else { "for" });
                for (name, span) in names {
                    self.page.say(" ");
                    self.page.at(name, *span);
                }
                if let Some(words) = words {
                    self.page.say(" in ");
                    self.separated(words, " ");
                }
                self.new_line();
                match select {
                    false => self.block("do", body, "done"),
                    true => self.selected(body),
                }
            }
            CommandKind::Repeat { count, body } => {
                self.page.say("repeat ");
                self.word(count);
                self.new_line();
                self.block("do", body, "done");
            }
            CommandKind::ArithmeticFor { start, condition, step, body } => {
                self.page.say("for ((");
                self.expression(start);
                self.page.say("; ");
                self.expression(condition);
                self.page.say("; ");
                self.expression(step);
                self.page.say(")) ");
                self.block("do", body, "done");
            }
            CommandKind::Case { word, branches } => {
                self.page.say("case ");
                self.word(word);
                self.page.say(" in");
                self.level += 1;
                branches.iter().for_each(|branch| self.case_branch(branch));
                self.level -= 1;
                self.line("esac");
            }
            CommandKind::Function { names, words, body, .. } => {
                for (at, name) in names.iter().enumerate() {
                    self.page.say(if at > 0 { " " } else { "" });
                    self.page.at(name, command.span);
                }
                for (at, word) in words.iter().enumerate() {
                    self.page.say(if at > 0 { " " } else { "" });
                    self.page.source(word.span);
                }
                return self.function(body);
            }
            CommandKind::Anonymous { body, words } => {
                self.page.say("()");
                self.page.say(" {");
                match &body.kind {
                    CommandKind::Group(list) => self.inner(list),
                    _ => {
                        self.level += 1;
                        self.new_line();
                        self.command(body);
                        self.level -= 1;
                    }
                }
                self.line("}");
                for word in words {
                    self.page.say(" ");
                    self.word(word);
                }
            }
            CommandKind::Always { body, cleanup } => {
                self.block("{", body, "} ");
                self.block("always {", cleanup, "}");
            }
            CommandKind::Conditional(condition) => {
                self.page.say("[[ ");
                self.condition(condition, None);
                self.page.say(" ]]");
            }
            CommandKind::Arithmetic(expression) => {
                self.page.say("((");
                self.page.source(expression.word.span);
                self.page.say("))");
            }
            CommandKind::Coprocess { command: inner, .. } => {
                self.page.say("coproc ");
                self.command(inner);
            }
        }
        self.redirects(&command.redirects);
    }

    fn block(&mut self, opening: &str, list: &List, closing: &str) {
        self.page.say(opening);
        self.inner(list);
        self.line(closing);
    }

    /// The body of `select`, whose first line zsh does not move in.
    fn selected(&mut self, body: &List) {
        self.page.say("do");
        self.new_line();
        self.level += 1;
        self.list(body);
        self.level -= 1;
        self.line("done");
    }

    /// Commands whose first stands where the line is, and the others a level further in.
    fn condition_list(&mut self, list: &List) {
        self.level += 1;
        self.list(list);
        self.level -= 1;
    }

    fn separated(&mut self, words: &[Word], between: &str) {
        for (at, word) in words.iter().enumerate() {
            if at > 0 {
                self.page.say(between);
            }
            self.word(word);
        }
    }

    fn simple(&mut self, simple: &SimpleCommand) {
        for assignment in &simple.assignments {
            self.assignment(assignment);
            self.page.say(" ");
        }
        // Behind the first assignment among the arguments, zsh keeps all as assignments.
        let declares = simple.words.first().is_some_and(|first| match first {
            Argument::Word(word) => {
                let declares = |name: &[u8]| {
                    self.dialect.is_declaration(name) || matches!(name, b"integer" | b"float")
                };
                word.literal().is_some_and(declares)
            }
            Argument::Assignment(_) => false,
        });
        let mut assigns = false;
        for (at, argument) in simple.words.iter().enumerate() {
            if at > 0 && !assigns {
                self.page.say(" ");
            }
            assigns |= declares && is_assignment(argument);
            self.argument(argument);
            if assigns {
                self.page.say(" ");
            }
        }
    }

    fn branches(&mut self, branches: &[(List, List)], otherwise: Option<&List>) {
        for (at, (condition, body)) in branches.iter().enumerate() {
            match at {
                0 => self.page.say("if "),
                _ => self.line("elif "),
            }
            self.condition_list(condition);
            self.line("then");
            self.inner(body);
        }
        if let Some(otherwise) = otherwise {
            self.line("else");
            self.inner(otherwise);
        }
        self.line("fi");
    }

    fn case_branch(&mut self, branch: &CaseBranch) {
        let first = branch.patterns.first().map(|word| word.span);
        let opened = first.is_some_and(|first| {
            let before = &self.page.sources.get(first.source).bytes[..first.start as usize];
            before.trim_ascii_end().ends_with(b"(")
        });
        let whole = first.is_some_and(|first| self.page.sources.bytes(first).starts_with(b"("));
        match &branch.patterns[..] {
            [word] if whole && !opened => {
                // Blanks are pattern characters in it, but not behind it.
                let written = self.page.sources.bytes(word.span);
                let inner = written.strip_suffix(b")").unwrap_or(written).trim_ascii_end();
                self.line("");
                self.page.at(inner, word.span);
                self.page.say(") ");
            }
            patterns => {
                self.line("(");
                self.separated(patterns, if opened { "|" } else { " | " });
                self.page.say(") ");
            }
        }
        self.level += 1;
        self.list(&branch.body);
        self.level -= 1;
        self.page.say(match branch.end {
            CaseEnd::Leave => " ;;",
            CaseEnd::Fall => " ;&",
            CaseEnd::Continue => " ;|",
        });
    }

    fn expression(&mut self, expression: &Arithmetic) {
        let span = expression.word.span;
        let written = self.page.sources.bytes(span);
        let blanks = written.iter().take_while(|byte| byte.is_ascii_whitespace()).count();
        self.page.source(Span { start: span.start + blanks as u32, ..span });
    }

    /// `around` is the connector whose side this is: another one needs parentheses.
    fn condition(&mut self, condition: &Condition, around: Option<Connector>) {
        let (left, connector, right) = match condition {
            Condition::Group(inner) => return self.condition(inner, around),
            Condition::Word(word) => {
                self.page.say("-n ");
                return self.word(word);
            }
            Condition::Unary { operator, operand } => {
                self.page.bytes(&[b'-', *operator, b' ']);
                return self.word(operand);
            }
            Condition::Named(words) => {
                for (at, word) in words.iter().enumerate() {
                    self.page.say(if at > 0 { " " } else { "" });
                    self.word(word);
                }
                return;
            }
            Condition::Binary { operator, left, right } => {
                self.word(left);
                self.page.say(" ");
                self.page.bytes(operator);
                self.page.say(" ");
                return self.word(right);
            }
            Condition::Not(inner) => {
                self.page.say("! ");
                let mut inner = inner;
                while let Condition::Group(within) = &**inner {
                    inner = within;
                }
                let joined = matches!(**inner, Condition::And(..) | Condition::Or(..));
                self.page.say(if joined { "( " } else { "" });
                self.condition(inner, None);
                return self.page.say(if joined { " )" } else { "" });
            }
            Condition::And(left, right) => (left, Connector::And, right),
            Condition::Or(left, right) => (left, Connector::Or, right),
        };
        let apart = around.is_some_and(|around| around != connector);
        self.page.say(if apart { "( " } else { "" });
        self.condition(left, Some(connector));
        self.page.say(if connector == Connector::And { " && " } else { " || " });
        self.condition(right, Some(connector));
        self.page.say(if apart { " )" } else { "" });
    }

    fn redirects(&mut self, redirects: &[Redirect]) {
        for redirect in redirects {
            self.page.say(" ");
            self.redirect(redirect);
            if redirect.body.is_some() {
                self.bodies.push(redirect.clone());
            }
        }
    }

    fn redirect(&mut self, redirect: &Redirect) {
        let sign = match redirect.operator {
            // The tabs are gone.
            RedirectOperator::HereDocumentTabs => "<<",
            operator => operator.sign(),
        };
        let blank = !matches!(sign, "<<" | "<&" | ">&");
        match &redirect.target {
            Some(RedirectTarget::Variable(name)) => {
                self.page.say("{");
                self.page.at(name, redirect.span);
                self.page.say("}");
            }
            Some(RedirectTarget::Descriptor(number))
                if *number != redirect.operator.descriptor() =>
            {
                self.page.at(number.to_string().as_bytes(), redirect.span);
            }
            _ => {}
        }
        self.page.say(sign);
        self.page.say(if blank { " " } else { "" });
        match redirect.body {
            Some(_) => self.page.source(redirect.word.span),
            None => self.word(&redirect.word),
        }
    }
}

/// Whether an argument of a declaration gives a value.
fn is_assignment(argument: &Argument) -> bool {
    let Argument::Word(word) = argument else { return true };
    let Some(Part::Literal { bytes, .. }) = word.parts.first() else { return false };
    let Some(equals) = bytes.iter().position(|&byte| byte == b'=') else { return false };
    let target = bytes[..equals].strip_suffix(b"+").unwrap_or(&bytes[..equals]);
    let name = target.iter().position(|&byte| byte == b'[').map_or(target, |at| &target[..at]);
    is_name(name)
}
