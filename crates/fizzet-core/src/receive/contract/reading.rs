//! Which element of a vector is what, by the convention of the parser.

use std::ops::Range;

use crate::receive::contract::{Contract, Negative, OptionsStand};
use crate::receive::convert::scan::decimal;

/// What some bytes of an element are.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Role {
    /// The element.
    pub element: usize,
    /// The bytes of it.
    pub bytes: Range<usize>,
    /// What they are.
    pub kind: RoleKind,
}

/// What bytes of an element can be.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RoleKind {
    /// The program's name.
    Program,
    /// The option of this number.
    Option(usize),
    /// The value of the option of this number.
    OptionValue(usize),
    /// The operand rule of this number.
    Operand(usize),
    /// An operand that no rule is left for.
    LeftOver,
    /// `--`
    Separator,
    /// An option that nothing declares, or that cannot be told.
    Unknown,
}

impl RoleKind {
    /// The name used in JSON.
    pub fn name(self) -> &'static str {
        match self {
            RoleKind::Program => "program",
            RoleKind::Option(_) => "option",
            RoleKind::OptionValue(_) => "value",
            RoleKind::Operand(_) => "operand",
            RoleKind::LeftOver => "left-over",
            RoleKind::Separator => "separator",
            RoleKind::Unknown => "unknown",
        }
    }
}

/// An option that was given.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Given {
    /// The option's number.
    pub option: usize,
    /// The element that holds it.
    pub element: usize,
    /// The element and the bytes of its value, if it has one.
    pub value: Option<(usize, Range<usize>)>,
}

/// What is wrong in the way that options are written.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Mistake {
    /// Nothing declares this option: the element and what is written there.
    Unknown(usize, String),
    /// Several long names begin so.
    Ambiguous(usize, String, Vec<String>),
    /// A value is missing: the element and the option.
    NoValue(usize, usize),
    /// The option takes no value.
    TakesNone(usize, usize),
    /// The value has to be a word of its own.
    NotAttached(usize, usize),
    /// Letters may not stand together.
    NotClustered(usize),
}

/// A vector as a parser reads it.
#[derive(Clone, PartialEq, Eq, Debug, Default)]
pub struct Reading {
    /// What each byte of each element is, in order.
    pub roles: Vec<Role>,
    /// The options that were given, in order.
    pub given: Vec<Given>,
    /// The elements that are operands, in order, and the rule that each falls to.
    pub operands: Vec<(usize, Option<usize>)>,
    /// What is wrong in the way that options are written.
    pub mistakes: Vec<Mistake>,
}

/// Reads a vector, its first element the program's name.
pub fn read(contract: &Contract, vector: &[Vec<u8>]) -> Reading {
    let mut reader = Reader { contract, vector, at: 1, out: Reading::default() };
    if let Some(zero) = vector.first() {
        reader.role(0, 0..zero.len(), RoleKind::Program);
    }
    reader.elements();
    let mut reading = reader.out;
    assign_operands(contract, vector, &mut reading);
    reading.roles.sort_by_key(|role| (role.element, role.bytes.start));
    reading
}

/// Gives operands to the rules: each takes as many as it may, and leaves those that come after it what
/// they need.
fn assign_operands(contract: &Contract, vector: &[Vec<u8>], reading: &mut Reading) {
    let mut at = 0;
    for (number, rule) in contract.operands.iter().enumerate() {
        let needed: usize = contract.operands[number + 1..].iter().map(|later| later.from).sum();
        let left = reading.operands.len() - at;
        let spare = left.saturating_sub(needed).max(rule.from.min(left));
        let count = spare.min(rule.to.unwrap_or(usize::MAX));
        for operand in &mut reading.operands[at..at + count] {
            operand.1 = Some(number);
        }
        at += count;
    }
    for &(element, rule) in &reading.operands {
        let kind = rule.map_or(RoleKind::LeftOver, RoleKind::Operand);
        reading.roles.push(Role { element, bytes: 0..vector[element].len(), kind });
    }
}

struct Reader<'a> {
    contract: &'a Contract,
    vector: &'a [Vec<u8>],
    at: usize,
    out: Reading,
}

impl Reader<'_> {
    fn role(&mut self, element: usize, bytes: Range<usize>, kind: RoleKind) {
        self.out.roles.push(Role { element, bytes, kind });
    }

    fn elements(&mut self) {
        let convention = self.contract.convention;
        let mut options_end = convention.options == OptionsStand::Nowhere;
        while self.at < self.vector.len() {
            let word = &self.vector[self.at];
            if options_end || !self.is_option(word) {
                self.out.operands.push((self.at, None));
                options_end |= convention.options == OptionsStand::BeforeOperands;
                self.at += 1;
            } else if word == b"--" {
                self.role(self.at, 0..2, RoleKind::Separator);
                options_end = true;
                self.at += 1;
            } else {
                self.option();
            }
        }
    }

    fn is_option(&self, word: &[u8]) -> bool {
        let convention = &self.contract.convention;
        match word {
            b"--" => convention.separator,
            [b'-', rest @ ..] if !rest.is_empty() => !self.is_negative(rest),
            _ => false,
        }
    }

    /// Whether a word behind its dash is a number that is taken for an operand.
    fn is_negative(&self, rest: &[u8]) -> bool {
        let is_number = decimal(rest).is_some_and(|found| found.length == rest.len());
        let has_digits = || {
            self.contract
                .options
                .iter()
                .any(|one| one.short.is_some_and(|short| short.is_ascii_digit()))
        };
        is_number
            && match self.contract.convention.negative {
                Negative::Option => false,
                Negative::Operand => true,
                Negative::OperandUnlessOption => !has_digits(),
            }
    }

    fn option(&mut self) {
        let word = &self.vector[self.at];
        let one_dash = self.contract.convention.one_dash;
        let dashes = if word.starts_with(b"--") { 2 } else { 1 };
        if dashes == 2 || one_dash {
            let equals = match self.contract.convention.equals {
                true => word.iter().position(|&byte| byte == b'='),
                false => None,
            };
            let name = &word[dashes..equals.unwrap_or(word.len()).max(dashes)];
            match self.long(name) {
                Ok(Some(option)) => return self.long_option(option, equals),
                Err(candidates) => {
                    let shown = String::from_utf8_lossy(name).into_owned();
                    return self.mistaken(Mistake::Ambiguous(self.at, shown, candidates));
                }
                Ok(None) if dashes == 2 => return self.unknown(),
                Ok(None) => {}
            }
        }
        self.letters();
    }

    /// The option of a long name; the candidates where several begin so.
    fn long(&self, name: &[u8]) -> Result<Option<usize>, Vec<String>> {
        let long = |at: usize| self.contract.options[at].long.as_deref().unwrap_or_default();
        let all = 0..self.contract.options.len();
        let exact = all.clone().find(|&at| !name.is_empty() && long(at).as_bytes() == name);
        if exact.is_some() || !self.contract.convention.shortened || name.is_empty() {
            return Ok(exact);
        }
        let fitting: Vec<usize> = all.filter(|&at| long(at).as_bytes().starts_with(name)).collect();
        match fitting[..] {
            [] => Ok(None),
            [only] => Ok(Some(only)),
            _ => Err(fitting.iter().map(|&at| long(at).to_owned()).collect()),
        }
    }

    fn unknown(&mut self) {
        let shown = String::from_utf8_lossy(&self.vector[self.at]).into_owned();
        self.mistaken(Mistake::Unknown(self.at, shown));
    }

    /// The whole element is a mistake.
    fn mistaken(&mut self, mistake: Mistake) {
        self.role(self.at, 0..self.vector[self.at].len(), RoleKind::Unknown);
        self.out.mistakes.push(mistake);
        self.at += 1;
    }

    fn long_option(&mut self, option: usize, equals: Option<usize>) {
        let element = self.at;
        let length = self.vector[element].len();
        let name_end = equals.map_or(length, |at| at + 1);
        self.role(element, 0..name_end, RoleKind::Option(option));
        self.at += 1;
        let takes = self.contract.options[option].value.is_some();
        let value = match equals {
            Some(at) => {
                self.role(element, at + 1..length, RoleKind::OptionValue(option));
                Some((element, at + 1..length))
            }
            None if takes => self.next_value(element, option),
            None => None,
        };
        if equals.is_some() && !takes {
            self.out.mistakes.push(Mistake::TakesNone(element, option));
        }
        self.out.given.push(Given { option, element, value });
    }

    /// The next element as the value of an option.
    fn next_value(&mut self, element: usize, option: usize) -> Option<(usize, Range<usize>)> {
        if self.at == self.vector.len() {
            self.out.mistakes.push(Mistake::NoValue(element, option));
            return None;
        }
        let (at, length) = (self.at, self.vector[self.at].len());
        self.role(at, 0..length, RoleKind::OptionValue(option));
        self.at += 1;
        Some((at, 0..length))
    }

    /// Letters behind one dash.
    fn letters(&mut self) {
        let element = self.at;
        let word = &self.vector[element];
        let convention = self.contract.convention;
        self.at += 1;
        let mut from = 0;
        let mut at = 1;
        while at < word.len() {
            let letter = word[at];
            let known = self.contract.options.iter().position(|one| one.short == Some(letter));
            let Some(option) = known else {
                self.role(element, from..word.len(), RoleKind::Unknown);
                let shown = String::from_utf8_lossy(&word[at..]);
                let first = shown.chars().next().unwrap_or('?');
                self.out.mistakes.push(Mistake::Unknown(element, format!("-{first}")));
                return;
            };
            at += 1;
            self.role(element, from..at, RoleKind::Option(option));
            from = at;
            let takes = self.contract.options[option].value.is_some();
            let mut value = None;
            if takes && at < word.len() {
                self.role(element, at..word.len(), RoleKind::OptionValue(option));
                value = Some((element, at..word.len()));
                if !convention.attached {
                    self.out.mistakes.push(Mistake::NotAttached(element, option));
                }
                at = word.len();
            } else if takes {
                value = self.next_value(element, option);
            } else if at < word.len() && !convention.clusters && at == 2 {
                self.out.mistakes.push(Mistake::NotClustered(element));
            }
            self.out.given.push(Given { option, element, value });
        }
    }
}
