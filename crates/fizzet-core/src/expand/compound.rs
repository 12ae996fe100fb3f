//! What ksh93 shows of variables that hold others: the value of `$c`, and what `typeset -p` and `print -v`
//! tell. Observed in 93u+m.

use crate::expand::quoting::{requoted_inside, told};
use crate::state::inside::{Inside, Nesting, number};
use crate::state::{Digits, Keeps, Side, Value, Variable, is_made_by_reading, listed};
use crate::text::{Standing, Text};

/// The value of any variable, line by line or on one line.
pub(crate) fn value_text(variable: &Variable, nesting: &Nesting, in_lines: bool) -> Text {
    let mut written = Written::new(nesting, in_lines);
    written.value(variable, Follows::Nothing);
    written.text
}

/// Whether something is written behind a value.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Follows {
    /// Nothing in all of the text.
    Nothing,
    /// Another member, of this variable or of one around it.
    Member,
}

struct Written<'a> {
    text: Text,
    nesting: &'a Nesting,
    /// Whether each member and element has a line of its own.
    in_lines: bool,
    depth: usize,
}

impl Written<'_> {
    fn new(nesting: &Nesting, in_lines: bool) -> Written<'_> {
        Written { text: Text::new(), nesting, in_lines, depth: 0 }
    }

    fn push(&mut self, bytes: &[u8]) {
        self.text.push(bytes, Standing::Quoted, &self.nesting.origin);
    }

    /// What stands before a member or element.
    fn begin_line(&mut self) {
        if self.in_lines {
            self.push(b"\n");
            (0..self.depth).for_each(|_| self.push(b"\t"));
        }
    }

    fn open(&mut self) {
        self.push(b"(");
        self.depth += 1;
    }

    fn close(&mut self) {
        self.depth -= 1;
        self.begin_line();
        self.push(b")");
    }

    fn value(&mut self, variable: &Variable, follows: Follows) {
        match (&variable.value, &variable.inside) {
            (Value::Nothing, _) => {}
            (Value::Scalar(text), _) => self.scalar(text, variable.keeps, true),
            (Value::Compound, None) => {}
            (Value::Compound, Some(inside)) => self.members(inside, follows),
            (_, inside) => self.elements(variable, inside.as_deref(), self.depth > 0),
        }
    }

    fn scalar(&mut self, text: &Text, keeps: Keeps, in_turn: bool) {
        let quoted = match keeps {
            Keeps::Integer(_) => text.bytes().to_vec(),
            _ if is_made_by_reading(text) => Vec::new(),
            _ if in_turn => requoted_inside(&self.nesting.rules, text.bytes()),
            _ => told(&self.nesting.rules, text.bytes()),
        };
        let origin = text.runs().next().map(|(run, _)| run.origin.clone());
        match origin {
            _ if quoted == text.bytes() => self.text.push_text(text),
            Some(origin) => self.text.push(&quoted, Standing::Quoted, &origin),
            None => self.push(&quoted),
        }
    }

    fn members(&mut self, inside: &Inside, follows: Follows) {
        self.open();
        let shown = |(_, member): &(_, &Variable)| is_shown(member);
        let mut members = inside.members().iter().filter(shown).peekable();
        while let Some((name, member)) = members.next() {
            let follows = if members.peek().is_some() { Follows::Member } else { follows };
            self.begin_line();
            self.member(name, member, follows);
        }
        self.close();
    }

    fn member(&mut self, name: &[u8], member: &Variable, follows: Follows) {
        let options = options_of(member);
        if !options.is_empty() {
            self.push(format!("typeset {} ", options.join(" ")).as_bytes());
        }
        self.push(name);
        let is_list = matches!(member.value, Value::Indexed(_) | Value::Associative(_));
        if matches!(member.value, Value::Nothing) {
            self.push(b"=0");
        } else if !(is_list && is_empty(member)) {
            self.push(b"=");
            self.value(member, follows);
        }
        let separated = match member.value {
            Value::Compound => false,
            _ => is_list || follows == Follows::Member,
        };
        if separated && !self.in_lines {
            self.push(b";");
        }
    }

    /// The elements of a list; of one that is a member, those that are compound come last.
    fn elements(&mut self, variable: &Variable, inside: Option<&Inside>, is_member: bool) {
        let all: Vec<(Vec<u8>, &Text)> = match &variable.value {
            Value::Indexed(elements) if listed(elements).next().is_none() => {
                elements.values().take(1).map(|text| (number(0), text)).collect()
            }
            Value::Indexed(elements) => {
                listed(elements).map(|(key, text)| (number(key), text)).collect()
            }
            Value::Associative(elements) => {
                let pairs = elements.pairs().into_iter();
                pairs.map(|(key, text)| (key.bytes().to_vec(), text)).collect()
            }
            _ => Vec::new(),
        };
        let inner = |key: &[u8]| inside.and_then(|inside| inside.element(key));
        let is_compound =
            |key: &[u8]| inner(key).is_some_and(|one| matches!(one.value, Value::Compound));
        let comes_last = |key: &[u8]| is_member && is_compound(key);
        let is_indexed = matches!(variable.value, Value::Indexed(_));
        let has_keys =
            !is_indexed || has_gaps(variable) || all.iter().any(|(key, _)| comes_last(key));
        let (last, first): (Vec<_>, Vec<_>) = all.into_iter().partition(|(key, _)| comes_last(key));
        self.open();
        let mut items = first.into_iter().chain(last).peekable();
        while let Some((key, text)) = items.next() {
            self.begin_line();
            if has_keys && inner(&key).is_some_and(has_gaps) {
                self.push(b"typeset -a ");
            }
            if has_keys {
                self.push(b"[");
                self.push(&told(&self.nesting.rules, &key));
                self.push(b"]=");
            }
            let mut ends_in_blank = false;
            match inner(&key) {
                Some(one) => {
                    self.value(one, Follows::Nothing);
                    ends_in_blank = !matches!(one.value, Value::Compound | Value::Scalar(_));
                }
                None => self.scalar(text, variable.keeps, is_indexed),
            }
            if !self.in_lines && (ends_in_blank || items.peek().is_some()) {
                self.push(b" ");
            }
        }
        self.close();
    }
}

/// Whether a member is told at all.
fn is_shown(member: &Variable) -> bool {
    match (&member.value, &member.inside) {
        (Value::Nothing, _) => matches!(member.keeps, Keeps::Integer(_) | Keeps::Real { .. }),
        (Value::Compound, Some(inside)) => !inside.members().is_empty(),
        _ => true,
    }
}

/// Whether the indexes of a list do not follow each other from 0.
fn has_gaps(list: &Variable) -> bool {
    match &list.value {
        Value::Indexed(elements) => !elements.keys().copied().eq(0..elements.len() as i64),
        _ => false,
    }
}

fn is_empty(list: &Variable) -> bool {
    match &list.value {
        Value::Indexed(elements) => elements.is_empty(),
        Value::Associative(elements) => elements.pairs().is_empty(),
        _ => false,
    }
}

/// The options with which ksh93 tells a variable.
pub(crate) fn options_of(variable: &Variable) -> Vec<String> {
    let mut words: Vec<String> = Vec::new();
    let mut flag = |is: bool, letter: &str| {
        if is {
            words.push(letter.into());
        }
    };
    flag(matches!(variable.keeps, Keeps::Real { long: true, .. }), "-l");
    flag(variable.exported, "-x");
    flag(variable.read_only, "-r");
    flag(matches!(variable.value, Value::Indexed(_)), "-a");
    flag(matches!(variable.value, Value::Associative(_)), "-A");
    if let Keeps::Integer(digits) = variable.keeps {
        flag(digits.bits == 64, "-l");
        flag(digits.bits == 16, "-s");
        flag(digits.unsigned, "-u");
    }
    match variable.keeps {
        Keeps::Integer(Digits { base: 0 | 10, .. }) => words.push("-i".into()),
        Keeps::Integer(digits) => words.push(format!("-i {}", digits.base)),
        Keeps::Real { letter: b'f', digits: 10, .. } => words.push("-F".into()),
        Keeps::Real { digits: 10, .. } => words.push("-E".into()),
        Keeps::Real { letter: b'f', digits, .. } => words.push(format!("-F {digits}")),
        Keeps::Real { digits, .. } => words.push(format!("-E {digits}")),
        Keeps::Upper => words.push("-u".into()),
        Keeps::Lower => words.push("-l".into()),
        Keeps::Name => words.push("-n".into()),
        Keeps::Capital | Keeps::Text => {}
    }
    words.extend(variable.field.map(|field| match (field.side(), field.width) {
        (Side::Left, width) => format!("-L {width}"),
        (Side::Right, width) => format!("-R {width}"),
        (Side::Zeros, width) => format!("-Z {width} -R {width}"),
    }));
    words
}
