//! bash's layout: four blanks a level, `;` behind every command that another one follows; the bodies
//! of here-documents come where the line ends that they belong to (observed in bash 5.2).

use crate::definition::page::{Layout, Page, begins_with_subshell};
use crate::dialect::Dialect;
use crate::source::Span;
use crate::state::Function;
use crate::syntax::ast::{
    AndOr, Arithmetic, CaseBranch, CaseEnd, Command, CommandKind, Connector, List, Pipeline,
    Redirect, RedirectOperator, RedirectTarget, SimpleCommand, Word,
};
use crate::text::Text;

/// How many blanks a level is.
const LEVEL: usize = 4;

pub(super) fn definition(
    page: Page<'_>,
    dialect: &Dialect,
    name: &[u8],
    function: &Function,
) -> Text {
    let mut printer = Printer::new(page, usize::MAX);
    if dialect.reserved_words.iter().any(|word| word.as_bytes() == name) {
        printer.page.say("function ");
    }
    printer.page.bytes(name);
    printer.page.say(" () \n");
    printer.body(&function.body);
    printer.page.say("\n");
    printer.page.text
}

/// The definition of a function without its name, as it stands in the environment of programs.
pub(super) fn handed(page: Page<'_>, function: &Function) -> Text {
    let mut printer = Printer::new(page, 1);
    printer.page.say("() ");
    printer.body(&function.body);
    let text = printer.page.text;
    // The first command stands on the line of the brace.
    let newline = "() { ".len();
    let mut handed = text.slice(0, newline);
    handed.push_text(&text.slice(newline + 1, text.len()));
    handed
}

/// The beginning of a command that is being carried out.
pub(super) fn head(page: Page<'_>, command: &Command) -> Option<Text> {
    let mut printer = Printer::new(page, usize::MAX);
    match &command.kind {
        CommandKind::Simple(_)
        | CommandKind::Subshell(_)
        | CommandKind::Conditional(_)
        | CommandKind::Arithmetic(_) => {
            printer.command(command);
            printer.deferred("");
        }
        CommandKind::For { .. } => printer.for_head(command),
        CommandKind::Case { word, .. } => printer.case_head(word),
        _ => return None,
    }
    Some(printer.page.text)
}

/// An expression of `for ((...))`.
pub(super) fn arithmetic(page: Page<'_>, expression: &Arithmetic) -> Text {
    let mut printer = Printer::new(page, usize::MAX);
    printer.page.say("((");
    printer.expression(expression);
    printer.page.say("))");
    printer.page.text
}

/// The commands of a substitution.
pub(super) fn substitution(page: Page<'_>, list: &List) -> Text {
    let mut printer = Printer::new(page, usize::MAX);
    printer.inner_list(list);
    printer.page.text
}

struct Printer<'a> {
    page: Page<'a>,
    indentation: usize,
    /// The most blanks that a line begins with.
    widest: usize,
    /// How many function bodies are being printed: in them a command has a line of its own.
    lines: usize,
    /// How many lists, and-or lists and pipelines of more than one command are being printed: only
    /// in them bodies wait.
    joined: usize,
    /// The here-documents whose bodies wait for the end of the line.
    bodies: Vec<Redirect>,
    /// Whether bodies have just been printed: then no `;` follows.
    after: bool,
}

impl<'a> Layout<'a> for Printer<'a> {
    fn page(&mut self) -> &mut Page<'a> {
        &mut self.page
    }

    fn renews_substitutions(&self) -> bool {
        true
    }

    /// The commands were printed when they were read: outside any function, from the margin.
    fn inner_list(&mut self, list: &List) {
        let kept = (
            std::mem::take(&mut self.indentation),
            std::mem::take(&mut self.lines),
            std::mem::take(&mut self.joined),
            std::mem::take(&mut self.bodies),
            std::mem::take(&mut self.after),
        );
        self.page.say(if begins_with_subshell(list) { " " } else { "" });
        self.list(list);
        (self.indentation, self.lines, self.joined, self.bodies, self.after) = kept;
    }

    fn ansi_c(&mut self, bytes: &[u8], span: Span) {
        self.single(bytes, span);
    }
}

impl<'a> Printer<'a> {
    fn new(page: Page<'a>, widest: usize) -> Printer<'a> {
        let (indentation, lines, joined, bodies, after) = (0, 0, 0, Vec::new(), false);
        Printer { page, indentation, widest, lines, joined, bodies, after }
    }

    /// Text in single quotes.
    fn single(&mut self, bytes: &[u8], span: Span) {
        if bytes == b"'" {
            return self.page.at(b"\\'", span);
        }
        self.page.at(b"'", span);
        for (at, piece) in bytes.split(|&byte| byte == b'\'').enumerate() {
            if at > 0 {
                self.page.at(b"'\\''", span);
            }
            self.page.at(piece, span);
        }
        self.page.at(b"'", span);
    }

    fn new_line(&mut self, text: &str) {
        self.page.say("\n");
        self.indent();
        self.page.say(text);
    }

    fn indent(&mut self) {
        self.page.say(&" ".repeat(self.indentation.min(self.widest)));
    }

    /// A `;`, unless what stands here ends a command already.
    fn semicolon(&mut self) {
        if !self.page.ends_in(b"&\n") {
            self.page.say(";");
        }
    }

    /// The bodies that wait, behind what ends the command.
    fn deferred(&mut self, sign: &str) {
        self.page.say(sign);
        let bodies = std::mem::take(&mut self.bodies);
        if bodies.is_empty() {
            return;
        }
        self.here_bodies(&bodies);
        if !sign.is_empty() {
            self.page.say(" ");
        }
        self.after = true;
    }

    fn here_bodies(&mut self, redirects: &[Redirect]) {
        self.page.say("\n");
        for redirect in redirects {
            self.page.document(redirect);
        }
    }

    /// The braces of a function, behind its name.
    fn body(&mut self, body: &Command) {
        self.indent();
        self.page.say("{ \n");
        self.lines += 1;
        self.indentation += LEVEL;
        let redirects = match &body.kind {
            CommandKind::Group(list) => {
                self.list_at_start(list);
                &body.redirects[..]
            }
            _ => {
                self.indent();
                self.command(body);
                &[]
            }
        };
        self.deferred("");
        self.lines -= 1;
        self.indentation -= LEVEL;
        self.new_line("}");
        if !redirects.is_empty() {
            self.page.say(" ");
            self.redirects(redirects);
        }
    }

    fn list_at_start(&mut self, list: &List) {
        self.indent();
        self.list(list);
    }

    /// Commands one after the other; the first stands where the line is.
    fn list(&mut self, list: &List) {
        let joins = list.items.len() > 1 || list.items.iter().any(|item| item.background);
        self.joined += usize::from(joins);
        for (at, item) in list.items.iter().enumerate() {
            self.and_or(item);
            if at > 0 {
                self.deferred("");
            }
            let next = list.items.get(at + 1);
            match (item.background, next) {
                (true, None) => self.deferred(" &"),
                (true, Some(_)) => {
                    self.deferred(" &");
                    self.page.say(" ");
                }
                (false, None) => {}
                (false, Some(next)) => self.between(item, next),
            }
        }
        self.joined -= usize::from(joins);
    }

    /// What stands between two commands that do not run beside each other.
    fn between(&mut self, item: &AndOr, next: &AndOr) {
        let in_lines = self.lines > 0;
        let written = self.page.between(item.span, next.span);
        let newline = !in_lines && !written.contains(&b';') && written.contains(&b'\n');
        match self.bodies.is_empty() {
            false => self.deferred(""),
            true if std::mem::take(&mut self.after) || newline => {}
            true => self.page.say(";"),
        }
        match (in_lines, newline) {
            (true, _) => self.new_line(""),
            (false, true) => self.page.say("\n"),
            (false, false) => self.page.say(" "),
        }
    }

    fn and_or(&mut self, item: &AndOr) {
        self.joined += usize::from(!item.rest.is_empty());
        self.pipeline(&item.first);
        for (connector, pipeline) in &item.rest {
            self.deferred(match connector {
                Connector::And => " && ",
                Connector::Or => " || ",
            });
            self.pipeline(pipeline);
            self.deferred("");
        }
        self.joined -= usize::from(!item.rest.is_empty());
    }

    fn pipeline(&mut self, pipeline: &Pipeline) {
        let joins = pipeline.commands.len() > 1;
        self.joined += usize::from(joins);
        if pipeline.timed {
            self.page.say("time ");
            if self.is_posix_time(pipeline) {
                self.page.say("-p ");
            }
        }
        if pipeline.negated {
            self.page.say("! ");
        }
        let mut left: Option<Span> = None;
        for command in &pipeline.commands {
            if let Some(left) = left {
                let both = self.page.between(left, command.span).contains(&b'&');
                self.deferred(if both { " 2>&1 |" } else { " |" });
                self.page.say(" ");
            }
            self.command(command);
            left = Some(command.span);
        }
        if joins {
            self.deferred("");
            self.joined -= 1;
        }
    }

    fn is_posix_time(&self, pipeline: &Pipeline) -> bool {
        let Some(first) = pipeline.commands.first() else { return false };
        let start = Span { end: pipeline.span.start, ..pipeline.span };
        self.page.between(start, first.span).windows(2).any(|two| two == b"-p")
    }

    fn command(&mut self, command: &Command) {
        match &command.kind {
            CommandKind::Simple(simple) => return self.simple(simple, &command.redirects),
            CommandKind::Group(list) => self.group(list),
            CommandKind::Subshell(list) => {
                self.page.say("( ");
                self.list(list);
                self.deferred("");
                self.page.say(" )");
            }
            CommandKind::If { branches, otherwise } => self.branches(branches, otherwise.as_ref()),
            CommandKind::Loop { until, condition, body } => {
                self.page.say(if *until { "until " } else { "while " });
                self.list(condition);
                self.deferred("");
                self.semicolon();
                self.page.say(" do\n");
                self.inner(body);
                self.semicolon();
                self.new_line("done");
            }
            CommandKind::For { body, .. } => {
                self.for_head(command);
                self.page.say(";");
                self.loop_body(body);
            }
            CommandKind::ArithmeticFor { start, condition, step, body } => {
                self.page.say("for ((");
                self.expression(start);
                self.page.say("; ");
                self.expression(condition);
                self.page.say("; ");
                self.expression(step);
                self.page.say("))");
                self.loop_body(body);
            }
            CommandKind::Case { word, branches } => {
                self.case_head(word);
                self.indentation += LEVEL;
                branches.iter().for_each(|branch| self.case_branch(branch));
                self.indentation -= LEVEL;
                self.new_line("esac");
            }
            CommandKind::Function { names, body, .. } => {
                self.page.say("function ");
                names.iter().for_each(|name| self.page.at(name, command.span));
                self.page.say(" () \n");
                self.body(body);
                return;
            }
            CommandKind::Conditional(condition) => {
                self.page.say("[[ ");
                self.condition(condition);
                self.page.say(" ]]");
            }
            CommandKind::Arithmetic(expression) => {
                self.page.say("((");
                self.around(expression.word.span, &[&expression.word]);
                self.page.say("))");
            }
            CommandKind::Coprocess { name, command: inner } => {
                self.page.say("coproc ");
                match name {
                    Some(name) => self.page.source(name.span),
                    None => self.page.at(b"COPROC", command.span),
                }
                self.page.say(" ");
                self.command(inner);
            }
            // No other command is read in this shell.
            CommandKind::Repeat { .. }
            | CommandKind::Always { .. }
            | CommandKind::Anonymous { .. }
            | CommandKind::Pipeline(_) => self.page.source(command.span),
        }
        if !command.redirects.is_empty() {
            self.page.say(" ");
            self.redirects(&command.redirects);
        }
    }

    fn for_head(&mut self, command: &Command) {
        let CommandKind::For { names, words, select, .. } = &command.kind else { return };
        self.page.say(if *select { "select " } else { "for " });
        names.iter().for_each(|(name, span)| self.page.at(name, *span));
        self.page.say(" in ");
        match words {
            Some(words) => self.separated(words, " "),
            None => self.page.say("\"$@\""),
        }
    }

    fn case_head(&mut self, word: &Word) {
        self.page.say("case ");
        self.word(word);
        self.page.say(" in ");
    }

    fn separated(&mut self, words: &[Word], between: &str) {
        for (at, word) in words.iter().enumerate() {
            if at > 0 {
                self.page.say(between);
            }
            self.word(word);
        }
    }

    fn simple(&mut self, simple: &SimpleCommand, redirects: &[Redirect]) {
        let mut any = false;
        for assignment in &simple.assignments {
            self.page.say(if std::mem::replace(&mut any, true) { " " } else { "" });
            self.assignment(assignment);
        }
        for argument in &simple.words {
            self.page.say(if std::mem::replace(&mut any, true) { " " } else { "" });
            self.argument(argument);
        }
        if !redirects.is_empty() {
            self.page.say(if any { " " } else { "" });
            self.redirects(redirects);
        }
    }

    fn group(&mut self, list: &List) {
        self.page.say("{ ");
        if self.lines == 0 {
            self.list(list);
            self.deferred("");
            self.semicolon();
            return self.page.say(" }");
        }
        self.page.say("\n");
        self.inner(list);
        self.new_line("}");
    }

    /// The commands of a body, a level further in.
    fn inner(&mut self, list: &List) {
        self.indentation += LEVEL;
        if !list.items.is_empty() {
            self.list_at_start(list);
        }
        self.deferred("");
        self.indentation -= LEVEL;
    }

    fn loop_body(&mut self, body: &List) {
        self.new_line("do\n");
        self.inner(body);
        self.semicolon();
        self.new_line("done");
    }

    fn branches(&mut self, branches: &[(List, List)], otherwise: Option<&List>) {
        let [(condition, body), rest @ ..] = branches else { return };
        self.page.say("if ");
        self.list(condition);
        self.semicolon();
        self.page.say(" then\n");
        self.inner(body);
        self.semicolon();
        if !rest.is_empty() || otherwise.is_some() {
            self.new_line("else\n");
            match otherwise.filter(|_| rest.is_empty()) {
                Some(otherwise) => self.inner(otherwise),
                None => {
                    self.indentation += LEVEL;
                    self.indent();
                    self.branches(rest, otherwise);
                    self.indentation -= LEVEL;
                }
            }
            self.semicolon();
        }
        self.new_line("fi");
    }

    fn case_branch(&mut self, branch: &CaseBranch) {
        self.new_line("");
        self.separated(&branch.patterns, " | ");
        self.page.say(")\n");
        self.inner(&branch.body);
        self.new_line(match branch.end {
            CaseEnd::Leave => ";;",
            CaseEnd::Fall => ";&",
            CaseEnd::Continue => ";;&",
        });
    }

    /// A part of `for ((...))`; what is not there counts as 1.
    fn expression(&mut self, expression: &Arithmetic) {
        let span = expression.word.span;
        let written = self.page.sources.bytes(span);
        let blanks = written.iter().take_while(|byte| byte.is_ascii_whitespace()).count();
        match blanks == written.len() {
            true => self.page.say("1"),
            false => {
                let span = Span { start: span.start + blanks as u32, ..span };
                self.around(span, &[&expression.word]);
            }
        }
    }

    fn redirects(&mut self, redirects: &[Redirect]) {
        self.after = false;
        for (at, redirect) in redirects.iter().enumerate() {
            if at > 0 {
                self.page.say(" ");
            }
            self.redirect(redirect);
        }
        let bodies: Vec<_> = redirects.iter().filter(|one| one.body.is_some()).cloned().collect();
        match self.joined {
            _ if bodies.is_empty() => {}
            0 => self.here_bodies(&bodies),
            // Bodies that wait already are lost.
            _ => self.bodies = bodies,
        }
    }

    fn redirect(&mut self, redirect: &Redirect) {
        use RedirectOperator as Operator;
        let written = redirect.word.literal().unwrap_or_default();
        let is_number = !written.is_empty() && written.iter().all(u8::is_ascii_digit);
        let moves = written
            .strip_suffix(b"-")
            .is_some_and(|from| !from.is_empty() && from.iter().all(u8::is_ascii_digit));
        let closes = written == b"-";
        let duplicates =
            matches!(redirect.operator, Operator::DuplicateInput | Operator::DuplicateOutput);
        let sign = if closes && duplicates { ">&" } else { redirect.operator.sign() };
        let blank = !duplicates && redirect.body.is_none();
        let own = redirect.operator.descriptor();
        // Where another number or none at all would mean something else, the number is always there.
        let usual = match redirect.operator {
            Operator::ReadWrite | Operator::Both | Operator::BothClobber | Operator::BothAppend => {
                None
            }
            _ if duplicates && (closes || is_number || moves) => None,
            _ => Some(own),
        };
        let both = matches!(
            redirect.operator,
            Operator::Both | Operator::BothClobber | Operator::BothAppend
        );
        match &redirect.target {
            Some(RedirectTarget::Variable(name)) => {
                self.page.say("{");
                self.page.at(name, redirect.span);
                self.page.say("}");
            }
            Some(RedirectTarget::Descriptor(number)) if Some(*number) != usual => {
                self.page.at(number.to_string().as_bytes(), redirect.span);
            }
            None if usual.is_none() && !both => {
                self.page.at(own.to_string().as_bytes(), redirect.span);
            }
            _ => {}
        }
        self.page.say(sign);
        self.page.say(if blank { " " } else { "" });
        match redirect.body {
            Some(_) => self.delimiter(&redirect.word),
            None => self.word(&redirect.word),
        }
    }

    /// A delimiter: in single quotes if it was quoted in any way.
    fn delimiter(&mut self, word: &Word) {
        let text = self.page.unquoted(&word.parts);
        match *text == *self.page.sources.bytes(word.span) {
            true => self.page.at(&text, word.span),
            false => self.single(&text, word.span),
        }
    }
}
