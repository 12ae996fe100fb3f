//! A first contract from a script's own checks: its tests of `$#`, its `getopts`, the positional
//! parameters it uses. What cannot be read with certainty is left out, for the person to add.

use std::collections::BTreeMap;

use crate::dialect::Dialect;
use crate::receive::contract::{Contract, Convention, Kind, OperandRule, OptionRule, OptionsStand};
use crate::source::{SourceId, Span};
use crate::syntax::ast::{
    Argument, Arithmetic, AssignedValue, Command, CommandKind, Connector, Instead, List, Operation,
    Parameter, ParameterName, Part, Pipeline, SimpleCommand, Word,
};
use crate::syntax::{Parser, SyntaxError};

/// A contract, and what it was read from.
#[derive(Clone, Debug)]
pub struct Draft {
    /// The contract.
    pub contract: Contract,
    /// What was read, where it stands, and what it says.
    pub evidence: Vec<(Span, String)>,
}

/// Reads a script's own checks.
///
/// # Errors
/// A script that the shell cannot read.
pub fn draft(text: &[u8], program: &str, dialect: &Dialect) -> Result<Draft, SyntaxError> {
    let mut parser = Parser::new(text, SourceId::MAIN, dialect);
    let mut lists = Vec::new();
    while let Some(list) = parser.next_commands()? {
        lists.push(list);
    }
    let mut reader = Reader { text, shifted: Some(0), ..Reader::default() };
    lists.iter().for_each(|list| reader.functions(list));
    lists.iter().for_each(|list| reader.list(list));
    Ok(reader.contract(program))
}

/// An option of a `getopts` string: its letter and whether it takes a value.
type Letter = (u8, bool);

#[derive(Default)]
struct Reader<'a> {
    text: &'a [u8],
    /// Functions that end the script.
    ending: Vec<Vec<u8>>,
    from: usize,
    to: Option<usize>,
    letters: Vec<Letter>,
    /// Names of variables that take the value of an option, by its letter.
    option_names: BTreeMap<u8, String>,
    /// Names of variables that take a positional parameter, by its number.
    operand_names: BTreeMap<usize, String>,
    highest: usize,
    takes_all: bool,
    /// How far `shift` has moved the parameters; nothing once nobody knows.
    shifted: Option<usize>,
    in_loop: bool,
    /// How many things decide whether what is read is carried out at all.
    conditions: usize,
    evidence: Vec<(Span, String)>,
}

impl Reader<'_> {
    /// Finds the functions that end the script, such as one that tells the usage.
    fn functions(&mut self, list: &List) {
        for command in commands(list) {
            if let CommandKind::Function { names, body, .. } = &command.kind
                && self.command_ends(body)
            {
                self.ending.extend(names.iter().map(|name| name.to_vec()));
            }
        }
    }

    /// Whether a list certainly ends the script: one of its commands does.
    fn ends(&self, list: &List) -> bool {
        list.items.iter().any(|one| one.rest.is_empty() && self.pipeline_ends(&one.first))
    }

    fn pipeline_ends(&self, pipeline: &Pipeline) -> bool {
        matches!(&pipeline.commands[..], [command] if self.command_ends(command))
    }

    fn command_ends(&self, command: &Command) -> bool {
        match &command.kind {
            // A script that ends with status 0 refuses nothing.
            CommandKind::Simple(simple) => literal(simple, 0).is_some_and(|name| {
                let exits = name == b"exit" && literal(simple, 1) != Some(b"0");
                exits || self.ending.iter().any(|one| one == name)
            }),
            CommandKind::Group(list) => self.ends(list),
            _ => false,
        }
    }

    /// A list that is not always carried out, or not by the script's own shell.
    fn maybe(&mut self, list: &List) {
        self.conditions += 1;
        self.list(list);
        self.conditions -= 1;
    }

    fn list(&mut self, list: &List) {
        for and_or in &list.items {
            if let [(connector, then)] = &and_or.rest[..]
                && self.pipeline_ends(then)
                && let Some(test) = self.pipeline_test(&and_or.first)
            {
                let refused = if *connector == Connector::And { test } else { test.turned() };
                self.refuses(refused, and_or.span);
            }
            and_or.first.commands.iter().for_each(|command| self.command(command));
            self.conditions += 1;
            for (_, pipeline) in &and_or.rest {
                pipeline.commands.iter().for_each(|command| self.command(command));
            }
            self.conditions -= 1;
        }
    }

    fn command(&mut self, command: &Command) {
        match &command.kind {
            // The parameters of a function are its own.
            CommandKind::Function { .. } => {}
            CommandKind::Simple(simple) => self.simple(simple, command.span),
            CommandKind::Group(list) => self.list(list),
            CommandKind::Subshell(list) => self.maybe(list),
            CommandKind::If { branches, otherwise } => {
                if let [(condition, body)] = &branches[..]
                    && let [only] = &condition.items[..]
                    && only.rest.is_empty()
                    && let Some(test) = self.pipeline_test(&only.first)
                {
                    if self.ends(body) {
                        self.refuses(test, only.span);
                    } else if otherwise.as_ref().is_some_and(|list| self.ends(list)) {
                        self.refuses(test.turned(), only.span);
                    }
                }
                for (condition, body) in branches {
                    self.list(condition);
                    self.maybe(body);
                }
                otherwise.iter().for_each(|list| self.maybe(list));
            }
            CommandKind::Loop { condition, body, .. } => {
                let outer = std::mem::replace(&mut self.in_loop, true);
                if commands(body).any(|one| is_named(one, b"shift")) {
                    (self.takes_all, self.shifted) = (true, None);
                }
                self.list(condition);
                self.maybe(body);
                self.in_loop = outer;
            }
            CommandKind::For { words, body, .. } => {
                // Without words the loop is over the parameters.
                self.takes_all |= words.is_none();
                words.iter().flatten().for_each(|word| self.parts(&word.parts));
                self.maybe(body);
            }
            CommandKind::Case { word, branches } => {
                self.parts(&word.parts);
                for branch in branches {
                    self.option_branch(&branch.patterns, &branch.body);
                    self.maybe(&branch.body);
                }
                if is_count(&word.parts) {
                    let bodies = branches.iter().map(|one| (&one.patterns[..], &one.body));
                    self.count_case(bodies.collect(), word.span);
                }
            }
            _ => {}
        }
    }

    /// `case $# in 1|2) ;; *) exit ;; esac`
    fn count_case(&mut self, branches: Vec<(&[Word], &List)>, span: Span) {
        let number = |word: &Word| std::str::from_utf8(word.literal()?).ok()?.parse::<usize>().ok();
        let allowed: Option<Vec<usize>> = branches
            .iter()
            .filter(|(_, body)| !self.ends(body))
            .flat_map(|(patterns, _)| patterns.iter().map(number))
            .collect();
        let others = branches.iter().any(|(patterns, body)| {
            self.ends(body) && patterns.iter().any(|word| word.literal() == Some(b"*"))
        });
        if let (Some(allowed), true) = (allowed, others)
            && let (Some(&least), Some(&most)) = (allowed.iter().min(), allowed.iter().max())
        {
            self.refuses(Test { operator: Operator::Less, number: least }, span);
            self.refuses(Test { operator: Operator::More, number: most }, span);
        }
    }

    /// A branch of the `case` of `getopts`: a letter, and the variable that takes OPTARG.
    fn option_branch(&mut self, patterns: &[Word], body: &List) {
        let [pattern] = patterns else { return };
        let Some(&[letter]) = pattern.literal() else { return };
        for command in commands(body) {
            let CommandKind::Simple(simple) = &command.kind else { continue };
            for assignment in &simple.assignments {
                let AssignedValue::Scalar(word) = &assignment.value else { continue };
                if names(word)
                    .is_some_and(|name| *name == ParameterName::Variable(b"OPTARG"[..].into()))
                {
                    let name = String::from_utf8_lossy(&assignment.name).into_owned();
                    self.option_names.insert(letter, name);
                }
            }
        }
    }

    fn simple(&mut self, simple: &SimpleCommand, span: Span) {
        if literal(simple, 0) == Some(b"getopts")
            && let Some(letters) = literal(simple, 1)
        {
            // What was said before counts the options too.
            (self.from, self.to, self.highest, self.shifted) = (0, None, 0, Some(0));
            self.operand_names.clear();
            self.evidence.clear();
            self.letters = read_letters(letters);
            let told = String::from_utf8_lossy(letters).into_owned();
            self.evidence.push((span, format!("getopts {told}: the options")));
        }
        match literal(simple, 0) {
            Some(b"shift") => self.shift(simple),
            // Other parameters stand there from here on.
            Some(b"set") if simple.words.len() > 1 => self.shifted = None,
            _ => {}
        }
        for assignment in &simple.assignments {
            let AssignedValue::Scalar(word) = &assignment.value else { continue };
            if let (Some(ParameterName::Positional(number @ 1..)), Some(shifted)) =
                (names(word), self.shifted)
            {
                let name = String::from_utf8_lossy(&assignment.name).into_owned();
                self.operand_names.entry(number + shifted).or_insert(name);
            }
            self.parts(&word.parts);
        }
        for argument in &simple.words {
            if let Argument::Word(word) = argument {
                self.parts(&word.parts);
            }
        }
    }

    /// `shift` moves the numbers; in a loop it takes any number of arguments.
    fn shift(&mut self, simple: &SimpleCommand) {
        let count = match simple.words.len() {
            1 => Some(1),
            _ => literal(simple, 1).and_then(|one| std::str::from_utf8(one).ok()?.parse().ok()),
        };
        match (count, self.shifted) {
            _ if self.in_loop => (self.takes_all, self.shifted) = (true, None),
            _ if self.conditions > 0 => self.shifted = None,
            (Some(count), Some(shifted)) => self.shifted = Some(shifted + count),
            // The options of getopts are not counted among the operands.
            (None, _) if !self.letters.is_empty() => {}
            _ => self.shifted = None,
        }
    }

    /// Which positional parameters a word uses.
    fn parts(&mut self, parts: &[Part]) {
        for part in parts {
            match part {
                Part::Double { parts, .. } => self.parts(parts),
                Part::Command(command) => self.maybe(&command.list),
                Part::Parameter(parameter) => self.parameter(parameter),
                _ => {}
            }
        }
    }

    fn parameter(&mut self, parameter: &Parameter) {
        match parameter.name {
            ParameterName::Positional(number @ 1..) => {
                let Some(shifted) = self.shifted else { return };
                let number = number + shifted;
                self.highest = self.highest.max(number);
                let is_wanted =
                    matches!(parameter.operation, Operation::Instead { what: Instead::Error, .. });
                if is_wanted && self.conditions == 0 {
                    self.from = self.from.max(number);
                    self.evidence
                        .push((parameter.span, format!("parameter {number} has to be there")));
                }
            }
            ParameterName::Special(b'@' | b'*') => self.takes_all = true,
            _ => {}
        }
    }

    fn source(&self, span: Span) -> &[u8] {
        self.text.get(span.start as usize..span.end as usize).unwrap_or_default()
    }

    /// The test of `$#` that a pipeline is, if it is one.
    fn pipeline_test(&self, pipeline: &Pipeline) -> Option<Test> {
        let [command] = &pipeline.commands[..] else { return None };
        let test = match &command.kind {
            CommandKind::Simple(simple) => simple_test(simple),
            CommandKind::Arithmetic(expression) => self.arithmetic_test(expression),
            _ => None,
        }?;
        Some(if pipeline.negated { test.turned() } else { test })
    }

    /// `(( $# < 2 ))`
    fn arithmetic_test(&self, expression: &Arithmetic) -> Option<Test> {
        let text = std::str::from_utf8(self.source(expression.word.span)).ok()?.trim();
        let rest = text.strip_prefix("$#").or_else(|| text.strip_prefix('#'))?.trim_start();
        let signs = rest.find(|one: char| !"<>=!".contains(one))?;
        let operator = match &rest[..signs] {
            "<" => Operator::Less,
            "<=" => Operator::LessOrEqual,
            ">" => Operator::More,
            ">=" => Operator::MoreOrEqual,
            "==" => Operator::Equal,
            "!=" => Operator::Other,
            _ => return None,
        };
        Some(Test { operator, number: rest[signs..].trim().parse().ok()? })
    }

    /// The script ends where this holds.
    fn refuses(&mut self, test: Test, span: Span) {
        let (Some(shifted), 0) = (self.shifted, self.conditions) else { return };
        let (number, before) = (test.number + shifted, (self.from, self.to));
        let most = |to: Option<usize>, limit: usize| Some(to.map_or(limit, |to| to.min(limit)));
        match test.operator {
            Operator::Less => self.from = self.from.max(number),
            Operator::LessOrEqual => self.from = self.from.max(number + 1),
            Operator::More => self.to = most(self.to, number),
            Operator::MoreOrEqual => self.to = most(self.to, number.saturating_sub(1)),
            Operator::Other => {
                self.from = self.from.max(number);
                self.to = most(self.to, number);
            }
            Operator::Equal if number == 0 => self.from = self.from.max(1),
            Operator::Equal => {}
        }
        if before != (self.from, self.to) {
            let to = self.to.map_or("any number".into(), |to| to.to_string());
            self.evidence.push((span, format!("from {} to {to} arguments", self.from)));
        }
    }

    fn contract(self, program: &str) -> Draft {
        let has_options = !self.letters.is_empty();
        let convention = Convention {
            options: if has_options { OptionsStand::BeforeOperands } else { OptionsStand::Nowhere },
            separator: has_options,
            equals: false,
            ..Convention::default()
        };
        let option = |&(letter, takes): &Letter| {
            let name = self.option_names.get(&letter).cloned();
            let name = name.unwrap_or_else(|| char::from(letter).to_string());
            OptionRule {
                value: takes.then(|| name.to_uppercase()),
                name,
                short: Some(letter),
                ..OptionRule::default()
            }
        };
        let options = self.letters.iter().map(option).collect();
        let contract = Contract {
            program: program.into(),
            about: String::new(),
            convention,
            options,
            operands: self.operands(),
        };
        Draft { contract, evidence: self.evidence }
    }

    /// One operand for each parameter that is used by its number, and one for all that may follow.
    fn operands(&self) -> Vec<OperandRule> {
        let many = self.takes_all
            || self.to.is_some_and(|to| to > self.highest)
            || self.from > self.highest;
        let mut operands: Vec<OperandRule> = (1..=self.highest)
            .map(|number| OperandRule {
                name: self
                    .operand_names
                    .get(&number)
                    .cloned()
                    .unwrap_or_else(|| format!("arg{number}")),
                kind: Kind::Text,
                from: usize::from(number <= self.from),
                to: Some(1),
                ..OperandRule::default()
            })
            .collect();
        if many {
            operands.push(OperandRule {
                name: if operands.is_empty() { "args" } else { "more" }.into(),
                kind: Kind::Text,
                from: self.from.saturating_sub(self.highest),
                to: self.to.map(|to| to.saturating_sub(self.highest)),
                ..OperandRule::default()
            });
        }
        operands
    }
}

/// The commands of a list, those inside compound commands not counted.
fn commands(list: &List) -> impl Iterator<Item = &Command> {
    list.items.iter().flat_map(|one| {
        let rest = one.rest.iter().map(|(_, one)| one);
        [&one.first].into_iter().chain(rest).flat_map(|pipeline| &pipeline.commands)
    })
}

/// Whether a command is a simple one of this name.
fn is_named(command: &Command, name: &[u8]) -> bool {
    matches!(&command.kind, CommandKind::Simple(simple) if literal(simple, 0) == Some(name))
}

/// A word of a simple command that is always the same.
fn literal(simple: &SimpleCommand, at: usize) -> Option<&[u8]> {
    match simple.words.get(at)? {
        Argument::Word(word) => word.literal().or_else(|| quoted(word)),
        Argument::Assignment(_) => None,
    }
}

/// The text of a word that is all in quotes.
fn quoted(word: &Word) -> Option<&[u8]> {
    match &word.parts[..] {
        [Part::Single { bytes, .. }] => Some(bytes),
        [Part::Double { parts, .. }] => match &parts[..] {
            [Part::Literal { bytes, .. }] => Some(bytes),
            _ => None,
        },
        _ => None,
    }
}

/// The parameter that a word is, quoted or not.
fn names(word: &Word) -> Option<&ParameterName> {
    match &word.parts[..] {
        [Part::Parameter(parameter)] => Some(&parameter.name),
        [Part::Double { parts, .. }] => match &parts[..] {
            [Part::Parameter(parameter)] => Some(&parameter.name),
            _ => None,
        },
        _ => None,
    }
}

/// Whether a word is `$#`, quoted or not.
fn is_count(parts: &[Part]) -> bool {
    match parts {
        [Part::Double { parts, .. }] => is_count(parts),
        [Part::Parameter(parameter)] => {
            parameter.name == ParameterName::Special(b'#')
                && matches!(parameter.operation, Operation::Value)
        }
        _ => false,
    }
}

fn read_letters(text: &[u8]) -> Vec<Letter> {
    let mut letters: Vec<Letter> = Vec::new();
    for &byte in text.strip_prefix(b":").unwrap_or(text) {
        match (byte, letters.last_mut()) {
            (b':', Some(last)) => last.1 = true,
            (b':', None) => {}
            (letter, _) => letters.push((letter, false)),
        }
    }
    letters
}

/// A comparison of `$#` with a number.
#[derive(Clone, Copy)]
struct Test {
    operator: Operator,
    number: usize,
}

#[derive(Clone, Copy)]
enum Operator {
    Less,
    LessOrEqual,
    More,
    MoreOrEqual,
    Equal,
    Other,
}

impl Test {
    /// The test that holds where this one does not.
    fn turned(self) -> Test {
        let operator = match self.operator {
            Operator::Less => Operator::MoreOrEqual,
            Operator::LessOrEqual => Operator::More,
            Operator::More => Operator::LessOrEqual,
            Operator::MoreOrEqual => Operator::Less,
            Operator::Equal => Operator::Other,
            Operator::Other => Operator::Equal,
        };
        Test { operator, ..self }
    }
}

/// `[ $# -lt 2 ]` or `test $# -lt 2`
fn simple_test(simple: &SimpleCommand) -> Option<Test> {
    let words = match (literal(simple, 0)?, literal(simple, simple.words.len() - 1)?) {
        (b"[", b"]") if simple.words.len() == 5 => &simple.words[1..4],
        (b"test", _) if simple.words.len() == 4 => &simple.words[1..4],
        _ => return None,
    };
    let Argument::Word(count) = &words[0] else { return None };
    let Argument::Word(number) = &words[2] else { return None };
    if !is_count(&count.parts) {
        return None;
    }
    let number = number.literal().or_else(|| quoted(number))?;
    let operator = match literal(simple, 2)? {
        b"-lt" => Operator::Less,
        b"-le" => Operator::LessOrEqual,
        b"-gt" => Operator::More,
        b"-ge" => Operator::MoreOrEqual,
        b"-eq" | b"=" | b"==" => Operator::Equal,
        b"-ne" | b"!=" => Operator::Other,
        _ => return None,
    };
    Some(Test { operator, number: std::str::from_utf8(number).ok()?.parse().ok()? })
}
