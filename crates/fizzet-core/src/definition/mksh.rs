//! mksh's layout: tabs, a blank behind each word, a backslash before names so that no alias counts,
//! and double quotes for all quotes (observed in mksh R59).

use crate::definition::page::{Layout, Page, begins_with_subshell};
use crate::source::Span;
use crate::state::Function;
use crate::syntax::ast::{
    AndOr, Argument, AssignedValue, Assignment, CaseBranch, CaseEnd, Command, CommandKind,
    Connector, List, Operation, Parameter, Pipeline, Redirect, RedirectOperator, RedirectTarget,
    SimpleCommand, Word,
};
use crate::text::Text;

/// How many columns a level is, and a tab.
const LEVEL: usize = 8;

pub(super) fn definition(page: Page<'_>, name: &[u8], function: &Function) -> Text {
    let mut printer = Printer { page, column: 0, in_lines: true, bodies: Vec::new() };
    printer.named(name, function.span, &function.body);
    printer.new_line();
    printer.page.text
}

struct Printer<'a> {
    page: Page<'a>,
    /// The column where lines begin.
    column: usize,
    /// Whether commands have lines of their own.
    in_lines: bool,
    /// The here-documents whose bodies come where the line ends.
    bodies: Vec<Redirect>,
}

impl<'a> Layout<'a> for Printer<'a> {
    fn page(&mut self) -> &mut Page<'a> {
        &mut self.page
    }

    fn renews_substitutions(&self) -> bool {
        true
    }

    fn inner_list(&mut self, list: &List) {
        let in_lines = std::mem::replace(&mut self.in_lines, false);
        let bodies = std::mem::take(&mut self.bodies);
        self.page.say(if begins_with_subshell(list) { " " } else { "" });
        self.list(list);
        if !self.bodies.is_empty() {
            self.page.say("\n");
            self.documents();
        }
        self.bodies = bodies;
        self.in_lines = in_lines;
    }

    fn ansi_c(&mut self, bytes: &[u8], span: Span) {
        self.double(bytes, span);
    }

    fn quoted(&mut self, bytes: &[u8], span: Span) {
        self.double(bytes, span);
    }

    fn substitution(&mut self, span: Span, list: &List, opening: &[u8]) {
        let written = self.page.sources.bytes(span);
        let (opening, closing): (&[u8], &[u8]) = match written {
            [b'`', inner @ .., b'`'] => {
                self.page.at(b"$(", span);
                self.page.at(inner, span);
                return self.page.at(b")", span);
            }
            [b'$', b'{', b'|', ..] => (b"${|", b";}"),
            [b'$', b'{', ..] => (b"${ ", b";}"),
            _ => (opening, b")"),
        };
        self.page.at(opening, span);
        self.inner_list(list);
        self.page.at(closing, span);
    }

    fn lone_word_test(&self) -> &'static str {
        ""
    }

    fn index(&mut self, word: &Word) {
        self.page.source(word.span);
    }

    /// Behind the first colon of a substring stands a blank.
    fn parameter(&mut self, parameter: &Parameter) {
        let span = parameter.span;
        let Operation::Substring { offset, .. } = &parameter.operation else {
            return self.around(span, &parameter.words());
        };
        let start = offset.word.span.start;
        self.page.source(Span { end: start, ..span });
        if !self.page.ends_in(b" ") && !self.page.sources.bytes(offset.word.span).starts_with(b" ")
        {
            self.page.say(" ");
        }
        self.around(Span { start, ..span }, &parameter.words());
    }
}

impl Printer<'_> {
    /// Text in double quotes.
    fn double(&mut self, bytes: &[u8], span: Span) {
        self.page.at(b"\"", span);
        for piece in bytes.split_inclusive(|byte| b"\"\\$`".contains(byte)) {
            match piece.split_last() {
                Some((sign, before)) if b"\"\\$`".contains(sign) => {
                    self.page.at(before, span);
                    self.page.at(&[b'\\', *sign], span);
                }
                _ => self.page.at(piece, span),
            }
        }
        self.page.at(b"\"", span);
    }

    fn documents(&mut self) {
        for redirect in std::mem::take(&mut self.bodies) {
            self.page.document(&redirect);
        }
    }

    /// Ends the line; the bodies that wait follow it, and an empty line behind them.
    fn new_line(&mut self) {
        if !self.bodies.is_empty() {
            self.page.say("\n");
            self.documents();
        }
        self.page.say("\n");
        self.page.say(&"\t".repeat(self.column / LEVEL));
        self.page.say(&" ".repeat(self.column % LEVEL));
    }

    /// What separates parts of a compound command.
    fn apart(&mut self) {
        match self.in_lines {
            true => self.new_line(),
            false => self.page.say("; "),
        }
    }

    /// Behind an opening word.
    fn open(&mut self) {
        match self.in_lines {
            true => self.new_line(),
            false => self.page.say(" "),
        }
    }

    fn named(&mut self, name: &[u8], span: Span, body: &Command) {
        let written = self.page.sources.bytes(span);
        let head = (body.span.start.saturating_sub(span.start) as usize).min(written.len());
        let keyword = written.starts_with(b"function") && !written[..head].contains(&b'(');
        self.page.say(if keyword { "function " } else { "" });
        self.page.at(name, span);
        self.page.say(if keyword { " " } else { "() " });
        self.command(body);
    }

    fn list(&mut self, list: &List) {
        for (at, item) in list.items.iter().enumerate() {
            if at > 0 {
                let before = &list.items[at - 1];
                match (self.in_lines, before.background) {
                    (true, _) => self.new_line(),
                    (false, true) => self.page.say(" "),
                    (false, false) => self.page.say("; "),
                }
            }
            self.and_or(item);
            if item.background {
                self.page.say(if self.is_coprocess(item) { "|& " } else { "& " });
            }
        }
    }

    fn is_coprocess(&self, item: &AndOr) -> bool {
        let source = self.page.sources.get(item.span.source);
        let behind = source.bytes.get(item.span.end as usize..).unwrap_or_default();
        behind.trim_ascii_start().starts_with(b"|&")
    }

    fn and_or(&mut self, item: &AndOr) {
        self.pipeline(&item.first);
        for (connector, pipeline) in &item.rest {
            self.page.say(match connector {
                Connector::And => "&& ",
                Connector::Or => "|| ",
            });
            self.pipeline(pipeline);
        }
    }

    fn pipeline(&mut self, pipeline: &Pipeline) {
        if pipeline.timed {
            self.page.say("time ");
        }
        if pipeline.negated {
            self.page.say("! ");
        }
        for (at, command) in pipeline.commands.iter().enumerate() {
            self.page.say(if at > 0 { "| " } else { "" });
            self.command(command);
        }
    }

    fn command(&mut self, command: &Command) {
        match &command.kind {
            CommandKind::Simple(simple) => self.simple(simple, &command.redirects),
            CommandKind::Group(list) => self.group(|printer| printer.list(list)),
            CommandKind::Pipeline(pipeline) => self.pipeline(pipeline),
            CommandKind::Subshell(list) => {
                self.page.say("( ");
                self.column += 2;
                self.list(list);
                self.column -= 2;
                self.page.say(") ");
            }
            CommandKind::If { branches, otherwise } => {
                for (at, (condition, body)) in branches.iter().enumerate() {
                    self.headed(if at > 0 { "elif " } else { "if " }, condition);
                    self.inner("then", body);
                }
                if let Some(otherwise) = otherwise {
                    self.inner("else", otherwise);
                }
                self.page.say("fi ");
            }
            CommandKind::Loop { until, condition, body } => {
                self.headed(if *until { "until " } else { "while " }, condition);
                self.inner("do", body);
                self.page.say("done ");
            }
            CommandKind::For { names, words, body, select } => {
                self.page.say(if *select { "select " } else { "for " });
                names.iter().for_each(|(name, span)| self.page.at(name, *span));
                self.page.say(" ");
                if let Some(words) = words {
                    self.page.say("in ");
                    words.iter().for_each(|word| self.spaced(word));
                    self.apart();
                }
                self.inner("do", body);
                self.page.say("done ");
            }
            CommandKind::Case { word, branches } => {
                self.page.say("case ");
                self.spaced(word);
                self.page.say("in");
                self.open();
                branches.iter().for_each(|branch| self.case_branch(branch));
                self.page.say("esac ");
            }
            CommandKind::Function { names, body, .. } => {
                names.iter().for_each(|name| self.named(name, command.span, body));
            }
            CommandKind::Conditional(condition) => {
                self.page.say("[[ ");
                self.condition(condition);
                self.page.say(" ]] ");
            }
            CommandKind::Arithmetic(expression) => self.group(|printer| {
                printer.page.say("\\\\builtin let ");
                let span = expression.word.span;
                let written = printer.page.sources.bytes(span);
                printer.double(written, span);
                printer.page.say(" ");
            }),
            // No other command is read in this shell.
            CommandKind::Repeat { .. }
            | CommandKind::Always { .. }
            | CommandKind::Anonymous { .. }
            | CommandKind::ArithmeticFor { .. }
            | CommandKind::Coprocess { .. } => self.page.source(command.span),
        }
        command.redirects.iter().for_each(|redirect| self.redirect(redirect));
    }

    fn group(&mut self, print: impl FnOnce(&mut Self)) {
        self.page.say("{");
        self.column += LEVEL;
        self.open();
        print(self);
        self.column -= LEVEL;
        self.apart();
        self.page.say("} ");
    }

    /// A condition; its commands stand below each other.
    fn headed(&mut self, word: &str, condition: &List) {
        self.page.say(word);
        self.column += word.len();
        self.list(condition);
        self.column -= word.len();
        self.apart();
    }

    /// A word and the commands behind it, a level further in.
    fn inner(&mut self, word: &str, list: &List) {
        self.page.say(word);
        self.column += LEVEL;
        self.open();
        self.list(list);
        self.column -= LEVEL;
        self.apart();
    }

    fn case_branch(&mut self, branch: &CaseBranch) {
        self.page.say("(");
        for (at, pattern) in branch.patterns.iter().enumerate() {
            self.page.say(if at > 0 { "|" } else { "" });
            self.word(pattern);
        }
        self.page.say(")");
        self.column += LEVEL;
        self.open();
        self.list(&branch.body);
        self.open();
        self.column -= LEVEL;
        self.page.say(match branch.end {
            CaseEnd::Leave => ";;",
            CaseEnd::Fall => ";&",
            CaseEnd::Continue => ";|",
        });
        self.open();
    }

    /// A word and a blank.
    fn spaced(&mut self, word: &Word) {
        self.word(word);
        self.page.say(" ");
    }

    fn simple(&mut self, simple: &SimpleCommand, redirects: &[Redirect]) {
        // A here-document that is assigned stands right behind the sign.
        let documents =
            |one: &Redirect| one.body.is_some() || one.operator == RedirectOperator::HereString;
        let is_assigned = simple.words.is_empty()
            && matches!((&simple.assignments[..], redirects), ([_], [one]) if documents(one));
        for assignment in &simple.assignments {
            match &assignment.value {
                AssignedValue::Array(_) => self.array(assignment),
                AssignedValue::Scalar(_) => self.assignment(assignment),
                // No shell that words definitions anew has these.
                AssignedValue::Members(_) => {}
            }
            if !is_assigned {
                self.page.say(" ");
            }
        }
        for (at, argument) in simple.words.iter().enumerate() {
            let may_be_alias = match argument {
                Argument::Word(word) => word.literal().is_some_and(may_be_alias),
                Argument::Assignment(_) => false,
            };
            if at == 0 && may_be_alias {
                self.page.say("\\");
            }
            self.argument(argument);
            self.page.say(" ");
        }
    }

    /// The command that an assignment to an array stands for.
    fn array(&mut self, assignment: &Assignment) {
        let AssignedValue::Array(elements) = &assignment.value else { return };
        self.page.say("\\\\builtin set -A ");
        self.page.at(&assignment.name, assignment.span);
        self.page.say(if assignment.append { "+ --" } else { " --" });
        for element in elements {
            self.page.say(" ");
            self.element(element);
        }
    }

    fn redirect(&mut self, redirect: &Redirect) {
        if let Some(RedirectTarget::Descriptor(number)) = redirect.target
            && number != redirect.operator.descriptor()
        {
            self.page.at(number.to_string().as_bytes(), redirect.span);
        }
        self.page.say(redirect.operator.sign());
        match redirect.word.span.is_empty() {
            // A here-document whose sign is its delimiter.
            true => self.page.say(" "),
            false => self.spaced(&redirect.word),
        }
        if redirect.body.is_some() {
            self.bodies.push(redirect.clone());
        }
    }
}

/// Whether an alias may have this name.
fn may_be_alias(name: &[u8]) -> bool {
    let counts = |byte: &u8| byte.is_ascii_alphanumeric() || b"_!%,.:@[]+-".contains(byte);
    name.iter().all(counts) && name.first().is_some_and(|first| !b"+-".contains(first))
}
