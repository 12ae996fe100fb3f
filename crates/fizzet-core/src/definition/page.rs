//! What the layouts of all shells share: text with its places, and words as they were written.

use crate::lineage::{Hop, Origin, Rule};
use crate::source::{Sources, Span};
use crate::syntax::ast::{
    Argument, AssignedValue, Assignment, CommandKind, Condition, Element, List, Parameter, Part,
    ProcessWay, Redirect, Word,
};
use crate::text::{Standing, Text};

/// What has been printed so far.
pub(super) struct Page<'a> {
    pub(super) sources: &'a Sources,
    pub(super) text: Text,
    hop: Hop,
    frame: Origin,
}

impl<'a> Page<'a> {
    pub(super) fn new(sources: &'a Sources, hop: Hop) -> Page<'a> {
        let frame = Origin::from_hop(hop.clone());
        Page { sources, text: Text::new(), hop, frame }
    }

    /// Prints what belongs to the layout.
    pub(super) fn say(&mut self, text: &str) {
        self.bytes(text.as_bytes());
    }

    /// Prints bytes that belong to the layout.
    pub(super) fn bytes(&mut self, bytes: &[u8]) {
        self.text.push(bytes, Standing::Quoted, &self.frame);
    }

    /// Prints bytes that stem from a place of the definition.
    pub(super) fn at(&mut self, bytes: &[u8], span: Span) {
        let origin = Origin::new(Rule::Literal, span).then(self.hop.clone());
        self.text.push(bytes, Standing::Quoted, &origin);
    }

    /// Prints a place as it is written.
    pub(super) fn source(&mut self, span: Span) {
        let sources = self.sources;
        self.at(sources.bytes(span), span);
    }

    /// Whether the last byte is one of these.
    pub(super) fn ends_in(&self, bytes: &[u8]) -> bool {
        self.text.bytes().last().is_some_and(|last| bytes.contains(last))
    }

    /// The text of a delimiter, without its quotes.
    pub(super) fn unquoted(&self, parts: &[Part]) -> Vec<u8> {
        let each = parts.iter().map(|part| match part {
            Part::Literal { bytes, .. }
            | Part::Escaped { bytes, .. }
            | Part::Single { bytes, .. }
            | Part::AnsiC { bytes, .. } => bytes.to_vec(),
            Part::Double { parts, .. } => self.unquoted(parts),
            part => self.sources.bytes(part.span()).to_vec(),
        });
        each.collect::<Vec<_>>().concat()
    }

    /// The body of a here-document, and its delimiter on a line of its own.
    pub(super) fn document(&mut self, redirect: &Redirect) {
        if let Some(body) = redirect.body.as_ref().and_then(|body| body.get()) {
            body.parts.iter().for_each(|part| match part {
                Part::Literal { bytes, span } => self.at(bytes, *span),
                part => self.source(part.span()),
            });
        }
        let delimiter = self.unquoted(&redirect.word.parts);
        self.at(&delimiter, redirect.word.span);
        self.say("\n");
    }

    /// What is written between two places of one text.
    pub(super) fn between(&self, left: Span, right: Span) -> &'a [u8] {
        let together = left.source == right.source && left.end <= right.start;
        match together {
            true => self.sources.bytes(Span { start: left.end, end: right.start, ..left }),
            false => b"",
        }
    }
}

/// Whether a list begins with `(`, which would make `$((` of `$(`.
pub(super) fn begins_with_subshell(list: &List) -> bool {
    let first = list.items.first().and_then(|item| item.first.commands.first());
    first.is_some_and(|command| matches!(command.kind, CommandKind::Subshell(_)))
}

/// How a shell prints what it has parsed.
pub(super) trait Layout<'a> {
    fn page(&mut self) -> &mut Page<'a>;

    /// The commands of `$(...)`, where the shell prints them anew.
    fn inner_list(&mut self, list: &List);

    /// Whether substitutions inside words are printed anew.
    fn renews_substitutions(&self) -> bool;

    /// `$'...'`
    fn ansi_c(&mut self, bytes: &[u8], span: Span);

    /// A quoted character or text outside double quotes.
    fn quoted(&mut self, _bytes: &[u8], span: Span) {
        self.page().source(span);
    }

    fn word(&mut self, word: &Word) {
        word.parts.iter().for_each(|part| self.part(part));
    }

    fn part(&mut self, part: &Part) {
        let span = part.span();
        match part {
            Part::Literal { bytes, .. } => self.page().at(bytes, span),
            Part::Single { bytes, .. } => self.quoted(bytes, span),
            Part::AnsiC { bytes, .. } => self.ansi_c(bytes, span),
            Part::Double { parts, .. } => {
                self.page().at(b"\"", span);
                parts.iter().for_each(|part| self.part(part));
                self.page().at(b"\"", span);
            }
            Part::Command(command) if command.broken.is_none() => {
                self.substitution(span, &command.list, b"$(")
            }
            Part::Process(process) => {
                let opener: &[u8] = match process.way {
                    ProcessWay::Writes => b"<(",
                    ProcessWay::Reads => b">(",
                    ProcessWay::WritesFile => b"=(",
                };
                self.substitution(span, &process.list, opener)
            }
            Part::Arithmetic { expression, .. } => self.around(span, &[&expression.word]),
            Part::Parameter(parameter) => self.parameter(parameter),
            _ => self.page().source(span),
        }
    }

    /// `$(...)`; what is in backquotes stays as it is.
    fn substitution(&mut self, span: Span, list: &List, opening: &[u8]) {
        let sources = self.page().sources;
        if !self.renews_substitutions() || !sources.bytes(span).starts_with(opening) {
            return self.page().source(span);
        }
        self.page().at(opening, span);
        self.inner_list(list);
        self.page().at(b")", span);
    }

    fn parameter(&mut self, parameter: &Parameter) {
        self.around(parameter.span, &parameter.words());
    }

    /// A place as it is written, but with the substitutions of its words printed anew.
    fn around(&mut self, span: Span, words: &[&Word]) {
        let mut from = span.start;
        if self.renews_substitutions() {
            for part in words.iter().flat_map(|word| &word.parts) {
                let inner = part.span();
                let is_inside = inner.source == span.source && inner.start >= from;
                if !is_inside || inner.end > span.end || matches!(part, Part::Literal { .. }) {
                    continue;
                }
                self.page().source(Span { start: from, end: inner.start, ..span });
                self.part(part);
                from = inner.end;
            }
        }
        self.page().source(Span { start: from, ..span });
    }

    /// What stands before a word alone in `[[ ]]`.
    fn lone_word_test(&self) -> &'static str {
        "-n "
    }

    /// An expression of `[[ ]]`, its parentheses as they were written.
    fn condition(&mut self, condition: &Condition) {
        match condition {
            Condition::Word(word) => {
                let test = self.lone_word_test();
                self.page().say(test);
                self.word(word);
            }
            Condition::Unary { operator, operand } => {
                self.page().bytes(&[b'-', *operator, b' ']);
                self.word(operand);
            }
            // No other shell reads it.
            Condition::Named(_) => {}
            Condition::Binary { operator, left, right } => {
                self.word(left);
                self.page().say(" ");
                self.page().bytes(operator);
                self.page().say(" ");
                self.word(right);
            }
            Condition::Group(inner) => {
                self.page().say("( ");
                self.condition(inner);
                self.page().say(" )");
            }
            Condition::Not(inner) => {
                self.page().say("! ");
                self.condition(inner);
            }
            Condition::And(left, right) => self.both(left, " && ", right),
            Condition::Or(left, right) => self.both(left, " || ", right),
        }
    }

    fn both(&mut self, left: &Condition, sign: &str, right: &Condition) {
        self.condition(left);
        self.page().say(sign);
        self.condition(right);
    }

    fn argument(&mut self, argument: &Argument) {
        match argument {
            Argument::Word(word) => self.word(word),
            Argument::Assignment(assignment) => self.assignment(assignment),
        }
    }

    fn assignment(&mut self, assignment: &Assignment) {
        self.target(assignment);
        match &assignment.value {
            AssignedValue::Scalar(word) => self.word(word),
            AssignedValue::Array(elements) => self.elements(elements),
            // No shell that words definitions anew has these.
            AssignedValue::Members(_) => {}
        }
    }

    /// What stands before the value: `name[index]+=`.
    fn target(&mut self, assignment: &Assignment) {
        let span = assignment.span;
        self.page().at(&assignment.name, span);
        if let Some(index) = &assignment.index {
            self.page().at(b"[", span);
            self.index(&index.word);
            self.page().at(b"]", span);
        }
        self.page().at(if assignment.append { b"+=" } else { b"=" }, span);
    }

    /// The index of an element that is assigned to.
    fn index(&mut self, word: &Word) {
        self.around(word.span, &[word]);
    }

    fn elements(&mut self, elements: &[Element]) {
        self.page().say("(");
        for (at, element) in elements.iter().enumerate() {
            if at > 0 {
                self.page().say(" ");
            }
            self.element(element);
        }
        self.page().say(")");
    }

    fn element(&mut self, element: &Element) {
        if let Some(index) = &element.index {
            self.page().say("[");
            self.around(index.word.span, &[&index.word]);
            self.page().say(if element.append { "]+=" } else { "]=" });
        }
        self.word(&element.word);
    }
}
