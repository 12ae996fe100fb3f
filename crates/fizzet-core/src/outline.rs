//! A script as it is written, without evaluating it: its simple commands, how many arguments each word
//! can make, and its functions.

use std::rc::Rc;

use crate::dialect::{Braces, Dialect};
use crate::source::{SourceId, Span};
use crate::syntax::ast::{
    Argument, Arithmetic, AssignedValue, Assignment, Command, CommandKind, Condition, List,
    Operation, Parameter, ParameterName, Part, Pipeline, Redirect, SimpleCommand, Subscript, Word,
};
use crate::syntax::{Parser, SyntaxError};

/// How many arguments a word makes, whatever the values are.
#[derive(Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Debug)]
pub enum Makes {
    /// One, and always the same.
    Fixed,
    /// One, with a value that can vary.
    One,
    /// Any number, also none.
    Any,
}

impl Makes {
    /// The name used in JSON.
    pub fn name(self) -> &'static str {
        match self {
            Makes::Fixed => "fixed",
            Makes::One => "one",
            Makes::Any => "any",
        }
    }
}

/// A word of a command.
#[derive(Clone, Debug)]
pub struct OutlinedWord {
    /// Where it is written.
    pub span: Span,
    /// How many arguments it makes.
    pub makes: Makes,
    /// What in it makes any number.
    pub why: Option<&'static str>,
}

/// A simple command.
#[derive(Clone, Debug)]
pub struct OutlinedCommand {
    /// Where it is written, its redirections not counted.
    pub span: Span,
    /// The function that it is part of.
    pub function: Option<Rc<[u8]>>,
    /// Its words; none where there are only assignments or redirections.
    pub words: Vec<OutlinedWord>,
}

/// A function.
#[derive(Clone, Debug)]
pub struct OutlinedFunction {
    /// Its name.
    pub name: Rc<[u8]>,
    /// Where it is defined.
    pub span: Span,
    /// The commands whose name it is, in order.
    pub calls: Vec<Span>,
}

/// All of a script.
#[derive(Clone, Default, Debug)]
pub struct Outline {
    /// The simple commands in order of writing, those inside substitutions behind the command that holds
    /// them.
    pub commands: Vec<OutlinedCommand>,
    /// The functions in order of definition.
    pub functions: Vec<OutlinedFunction>,
}

/// Reads a text as one shell does and outlines it.
///
/// Numbers (`$#`, `$((...))`) count as one argument: only an IFS that holds digits would split them.
///
/// ```
/// use fizzet_core::{dialect::{Dialect, Shell}, outline::{Makes, outline}};
/// let found = outline(b"label \"$1\" $2", &Dialect::of(Shell::Bash)).unwrap();
/// let makes: Vec<Makes> = found.commands[0].words.iter().map(|word| word.makes).collect();
/// assert_eq!(makes, [Makes::Fixed, Makes::One, Makes::Any]);
/// ```
///
/// # Errors
/// A text that the shell cannot read.
pub fn outline(text: &[u8], dialect: &Dialect) -> Result<Outline, SyntaxError> {
    let mut parser = Parser::new(text, SourceId::MAIN, dialect);
    let mut visitor =
        Visitor { dialect, outline: Outline::default(), names: Vec::new(), function: None };
    while let Some(list) = parser.next_commands()? {
        visitor.list(&list);
    }
    Ok(visitor.finish())
}

struct Visitor<'a> {
    dialect: &'a Dialect,
    outline: Outline,
    /// The fixed name of each command, for the calls.
    names: Vec<Option<Vec<u8>>>,
    function: Option<Rc<[u8]>>,
}

impl Visitor<'_> {
    fn finish(mut self) -> Outline {
        for (command, name) in self.outline.commands.iter().zip(&self.names) {
            let Some(name) = name else { continue };
            let called = self.outline.functions.iter_mut().find(|one| *one.name == name[..]);
            if let Some(function) = called {
                function.calls.push(command.span);
            }
        }
        self.outline
    }

    fn list(&mut self, list: &List) {
        for and_or in &list.items {
            let pipelines =
                [&and_or.first].into_iter().chain(and_or.rest.iter().map(|(_, one)| one));
            pipelines.for_each(|pipeline| self.pipeline(pipeline));
        }
    }

    fn pipeline(&mut self, pipeline: &Pipeline) {
        pipeline.commands.iter().for_each(|command| self.command(command));
    }

    fn command(&mut self, command: &Command) {
        match &command.kind {
            CommandKind::Simple(simple) => self.simple(simple, command.span),
            CommandKind::Group(list) | CommandKind::Subshell(list) => self.list(list),
            CommandKind::Pipeline(pipeline) => self.pipeline(pipeline),
            CommandKind::If { branches, otherwise } => {
                for (condition, body) in branches {
                    self.list(condition);
                    self.list(body);
                }
                otherwise.iter().for_each(|list| self.list(list));
            }
            CommandKind::Loop { condition, body, .. } => {
                self.list(condition);
                self.list(body);
            }
            CommandKind::For { words, body, .. } => {
                words.iter().flatten().for_each(|word| self.inside(word));
                self.list(body);
            }
            CommandKind::Repeat { count, body } => {
                self.inside(count);
                self.list(body);
            }
            CommandKind::Always { body, cleanup } => {
                self.list(body);
                self.list(cleanup);
            }
            CommandKind::Anonymous { body, words } => {
                self.command(body);
                words.iter().for_each(|word| self.inside(word));
            }
            CommandKind::ArithmeticFor { start, condition, step, body } => {
                [start, condition, step].into_iter().for_each(|one| self.arithmetic(one));
                self.list(body);
            }
            CommandKind::Case { word, branches } => {
                self.inside(word);
                for branch in branches {
                    branch.patterns.iter().for_each(|pattern| self.inside(pattern));
                    self.list(&branch.body);
                }
            }
            CommandKind::Function { names, body, .. } => self.function(names, body, command.span),
            CommandKind::Conditional(condition) => self.condition(condition),
            CommandKind::Arithmetic(expression) => self.arithmetic(expression),
            CommandKind::Coprocess { command, .. } => self.command(command),
        }
        command.redirects.iter().for_each(|redirect| self.redirect(redirect));
    }

    fn function(&mut self, names: &[Rc<[u8]>], body: &Command, span: Span) {
        for name in names {
            let function = OutlinedFunction { name: name.clone(), span, calls: Vec::new() };
            self.outline.functions.push(function);
        }
        let outer = std::mem::replace(&mut self.function, names.first().cloned());
        self.command(body);
        self.function = outer;
    }

    fn simple(&mut self, simple: &SimpleCommand, span: Span) {
        let words = simple.words.iter().map(|argument| self.argument(argument)).collect();
        self.outline.commands.push(OutlinedCommand {
            span,
            function: self.function.clone(),
            words,
        });
        self.names.push(match simple.words.first() {
            Some(Argument::Word(word)) => word.literal().map(<[u8]>::to_vec),
            _ => None,
        });
        simple.assignments.iter().for_each(|assignment| self.assignment(assignment));
        for argument in &simple.words {
            match argument {
                Argument::Word(word) => self.inside(word),
                Argument::Assignment(assignment) => self.assignment(assignment),
            }
        }
    }

    fn assignment(&mut self, assignment: &Assignment) {
        self.assigned(&assignment.value);
    }

    fn assigned(&mut self, value: &AssignedValue) {
        match value {
            AssignedValue::Scalar(word) => self.inside(word),
            AssignedValue::Array(elements) => {
                for element in elements {
                    self.inside(&element.word);
                    element.nested.iter().for_each(|nested| self.assigned(nested));
                }
            }
            AssignedValue::Members(members) => {
                members.commands.iter().for_each(|command| self.command(command));
            }
        }
    }

    fn redirect(&mut self, redirect: &Redirect) {
        match redirect.body.as_ref().and_then(|body| body.get()) {
            Some(body) => self.inside(body),
            None => self.inside(&redirect.word),
        }
    }

    fn condition(&mut self, condition: &Condition) {
        match condition {
            Condition::Word(word) | Condition::Unary { operand: word, .. } => self.inside(word),
            Condition::Named(words) => words.iter().for_each(|word| self.inside(word)),
            Condition::Binary { left, right, .. } => {
                self.inside(left);
                self.inside(right);
            }
            Condition::Group(one) | Condition::Not(one) => self.condition(one),
            Condition::And(one, other) | Condition::Or(one, other) => {
                self.condition(one);
                self.condition(other);
            }
        }
    }

    fn arithmetic(&mut self, expression: &Arithmetic) {
        self.inside(&expression.word);
    }

    /// The commands inside the substitutions of a word.
    fn inside(&mut self, word: &Word) {
        self.parts(&word.parts);
    }

    fn parts(&mut self, parts: &[Part]) {
        for part in parts {
            match part {
                Part::Double { parts, .. } => self.parts(parts),
                Part::Command(command) => self.list(&command.list),
                Part::Process(process) => self.list(&process.list),
                Part::Arithmetic { expression, .. } => self.arithmetic(expression),
                Part::Parameter(parameter) => self.parameter(parameter),
                Part::Flagged(flagged) => {
                    self.parameter(&flagged.parameter);
                    flagged.inner.iter().for_each(|part| self.parts(std::slice::from_ref(part)));
                }
                _ => {}
            }
        }
    }

    fn parameter(&mut self, parameter: &Parameter) {
        parameter.words().into_iter().for_each(|word| self.inside(word));
    }

    fn argument(&self, argument: &Argument) -> OutlinedWord {
        let span = argument.span();
        let (makes, why) = match argument {
            Argument::Assignment(_) => (Makes::One, None),
            Argument::Word(word) => makes(&word.parts, self.dialect),
        };
        OutlinedWord { span, makes, why }
    }
}

/// How many arguments the parts of a word make together, and what makes any number of them.
fn makes(parts: &[Part], dialect: &Dialect) -> (Makes, Option<&'static str>) {
    let each = parts.iter().map(|part| part_makes(part, dialect));
    each.fold((Makes::Fixed, None), |so_far, one| if one.0 > so_far.0 { one } else { so_far })
}

fn part_makes(part: &Part, dialect: &Dialect) -> (Makes, Option<&'static str>) {
    match part {
        Part::Literal { bytes, .. } => literal_makes(bytes, dialect),
        Part::Double { parts, .. } => {
            let lists = parts.iter().any(is_list);
            match parts.iter().any(varies) {
                _ if lists => (Makes::Any, Some("each parameter or element is an argument")),
                true => (Makes::One, None),
                false => (Makes::Fixed, None),
            }
        }
        Part::Parameter(parameter) if is_number(parameter) => (Makes::One, None),
        Part::Parameter(_) | Part::Flagged(_) => (Makes::Any, Some("the value is not quoted")),
        Part::Command(_) => (Makes::Any, Some("the output is not quoted")),
        Part::Arithmetic { .. } | Part::Process(_) => (Makes::One, None),
        _ => (Makes::Fixed, None),
    }
}

fn literal_makes(bytes: &[u8], dialect: &Dialect) -> (Makes, Option<&'static str>) {
    let braces = dialect.braces != Braces::None
        && bytes.contains(&b'{')
        && (bytes.contains(&b',') || bytes.windows(2).any(|two| two == b".."));
    match () {
        () if bytes.iter().any(|byte| matches!(byte, b'*' | b'?' | b'[')) && bytes != b"[" => {
            (Makes::Any, Some("a pattern that pathnames can match"))
        }
        () if braces => (Makes::Any, Some("braces")),
        () if bytes.first() == Some(&b'~') => (Makes::One, None),
        () => (Makes::Fixed, None),
    }
}

/// `"$@"`, `"${a[@]}"` and what is made of them.
fn is_list(part: &Part) -> bool {
    match part {
        Part::Parameter(parameter) => {
            let all = parameter.name == ParameterName::Special(b'@')
                || matches!(parameter.index, Some(Subscript::At));
            match &parameter.operation {
                Operation::Length | Operation::Width => false,
                Operation::Names { separate } => *separate,
                Operation::Instead { word, .. } => all || word.parts.iter().any(inner_list),
                _ => all,
            }
        }
        Part::Flagged(flagged) => {
            flagged.parameter.name == ParameterName::Special(b'@')
                || matches!(flagged.parameter.index, Some(Subscript::At))
                || flagged.flags.iter().any(|flag| flag.letter == b'@')
        }
        _ => false,
    }
}

/// A list inside the word of `${x:-...}`, quoted there or not.
fn inner_list(part: &Part) -> bool {
    match part {
        Part::Double { parts, .. } => parts.iter().any(is_list),
        part => is_list(part),
    }
}

fn varies(part: &Part) -> bool {
    matches!(
        part,
        Part::Parameter(_) | Part::Flagged(_) | Part::Command(_) | Part::Arithmetic { .. }
    )
}

/// `$#`, `$?` and lengths.
fn is_number(parameter: &Parameter) -> bool {
    let number = matches!(parameter.name, ParameterName::Special(b'#' | b'?' | b'$' | b'!'));
    matches!(parameter.operation, Operation::Length | Operation::Width)
        || (number && matches!(parameter.operation, Operation::Value))
}

#[cfg(test)]
mod tests {
    use super::{Makes, outline};
    use crate::dialect::{Dialect, Shell};

    fn makes(text: &str) -> Vec<Makes> {
        let found = outline(text.as_bytes(), &Dialect::of(Shell::Bash)).unwrap();
        found.commands[0].words.iter().map(|word| word.makes).collect()
    }

    #[test]
    fn words_are_fixed_or_one_or_any() {
        use Makes::{Any, Fixed, One};
        assert_eq!(
            makes("label 'a b' \"x\" \\* [ ~/lid"),
            [Fixed, Fixed, Fixed, Fixed, Fixed, One]
        );
        assert_eq!(makes("label \"$1\" \"$*\" $# ${#x} $((1))"), [Fixed, One, One, One, One, One]);
        assert_eq!(
            makes("label $1 \"$@\" $(x) *.txt {a,b} \"${a[@]}\""),
            [Fixed, Any, Any, Any, Any, Any, Any]
        );
        assert_eq!(makes("label \"${1+\"$@\"}\" \"${#@}\" a[x]"), [Fixed, Any, One, Any]);
    }

    #[test]
    fn functions_know_their_calls_and_their_commands() {
        let text = b"pack() { box $(pack a); }\npack b; \"pack\" c; if pack d; then pack; fi";
        let found = outline(text, &Dialect::of(Shell::Dash)).unwrap();
        assert_eq!(found.functions.len(), 1);
        assert_eq!(found.functions[0].calls.len(), 4);
        let inside = found.commands.iter().filter(|one| one.function.is_some()).count();
        assert_eq!(inside, 2);
    }
}
