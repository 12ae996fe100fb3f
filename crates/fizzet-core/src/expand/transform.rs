//! `${x@Q}` and its kin, and the quoting that they share with `printf %q`.

use bstr::ByteSlice;

use crate::dialect::{DollarQuoting, Requoting};
use crate::expand::change::cased;
use crate::expand::ifs;
use crate::expand::parameter::Held;
use crate::expand::quoting::{double_quoted, requoted, requoted_for};
use crate::expand::substitute::{Place, Substitution};
use crate::lineage::{Hop, Origin, Rule};
use crate::state::{Keeps, Value, Variable};
use crate::stop::Stop;
use crate::syntax::ast::{CaseChange, Parameter, ParameterName, Subscript};
use crate::syntax::decode_escapes;
use crate::text::{Standing, Text};

/// The hash that `${x@#}` of mksh tells: each byte added and mixed in, and the four bytes of the sum mixed as
/// columns of a matrix (observed in mksh R59 with texts of 0 to 3 bytes).
fn hash(bytes: &[u8]) -> u32 {
    let mut sum = 1u32;
    for &byte in bytes {
        sum = sum.wrapping_add(byte.into());
        sum = sum.wrapping_add(sum << 10);
        sum ^= sum >> 6;
    }
    let columns = sum.to_le_bytes();
    let doubled = |byte: u8| (byte << 1) ^ if byte & 0x80 == 0 { 0 } else { 0x1b };
    let mixed = |at: usize| {
        let [one, two, three, four] = [0, 1, 2, 3].map(|step| columns[(at + step) % 4]);
        doubled(one) ^ doubled(two) ^ two ^ three ^ four
    };
    u32::from_le_bytes([mixed(0), mixed(1), mixed(2), mixed(3)])
}

impl Substitution<'_> {
    /// Carries out `${x@letter}`.
    pub(super) fn transform(
        &mut self,
        parameter: &Parameter,
        held: Held,
        letter: u8,
        place: Place,
    ) -> Result<Held, Stop> {
        let dialect = self.cx.state().dialect.clone();
        if matches!(&held, Held::List { items, .. } if items.is_empty())
            && !self.tells_without_values(parameter, letter)
        {
            return Ok(held);
        }
        match letter {
            b'Q' if matches!(held, Held::Unset) && dialect.requoting != Requoting::Always => {
                Ok(Held::One(self.made(parameter, b"''")))
            }
            b'Q' => {
                self.each(parameter, held, |text| like(text, requoted_for(&dialect, text.bytes())))
            }
            b'U' => self.each(parameter, held, |text| cased(text, CaseChange::Upper, true, None)),
            b'u' => self.each(parameter, held, |text| cased(text, CaseChange::Upper, false, None)),
            b'L' => self.each(parameter, held, |text| cased(text, CaseChange::Lower, true, None)),
            b'E' => self.each(parameter, held, |text| {
                like(text, decode_escapes(text.bytes(), dialect.dollar_escapes))
            }),
            b'a' => Ok(self.letters(parameter, held)),
            b'A' => Ok(self.declaration(parameter, held, place)),
            b'K' | b'k' => Ok(self.pairs(parameter, held, letter == b'k')),
            b'#' if dialect.transformation_letters.as_bytes().contains(&letter) => {
                if matches!(held, Held::Unset) {
                    self.unset(parameter)?;
                    let sum = format!("{:08X}", hash(b""));
                    return Ok(Held::One(self.made(parameter, sum.as_bytes())));
                }
                self.each(parameter, held, |text| {
                    like(text, format!("{:08X}", hash(text.bytes())).into_bytes())
                })
            }
            b'P' if dialect.transformation_letters.as_bytes().contains(&letter) => Ok(match held {
                Held::One(text) => Held::One(self.prompt(parameter, &text)?),
                Held::List { items, star } => {
                    let items = items.iter().map(|text| self.prompt(parameter, text));
                    Held::List { items: items.collect::<Result<_, _>>()?, star }
                }
                held => held,
            }),
            _ if matches!(held, Held::Unset) && dialect.bad_letter_needs_value => Ok(held),
            _ => {
                let status = dialect.bad_substitution_status;
                Err(Stop::shell("bad substitution", parameter.span, status))
            }
        }
    }

    /// Whether a transformation tells of a variable that has no elements: its declaration, or the letters of
    /// one that was never assigned.
    fn tells_without_values(&mut self, parameter: &Parameter, letter: u8) -> bool {
        let ParameterName::Variable(name) = &parameter.name else { return false };
        let variable = self.cx.state().variables.get(name);
        let is_unset = |one: &Variable| one.bare || matches!(one.value, Value::Nothing);
        variable.is_some_and(|one| letter == b'A' || (letter == b'a' && is_unset(one)))
    }

    fn made(&mut self, parameter: &Parameter, bytes: &[u8]) -> Text {
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        self.cx.state().shell_text(bytes).passed_through(&hop, Standing::Quoted)
    }

    /// `@a`: the letters of the attributes.
    fn letters(&mut self, parameter: &Parameter, held: Held) -> Held {
        let name = parameter.name.to_bytes();
        if let Held::List { items, star } = &held
            && matches!(parameter.name, ParameterName::Special(_))
        {
            let none = self.made(parameter, b"");
            return Held::List { items: vec![none; items.len()], star: *star };
        }
        let Some(variable) = self.cx.state().variables.get(&name) else { return Held::Unset };
        let letters = attributes(variable);
        let text = self.made(parameter, letters.as_bytes());
        match held {
            Held::List { items, star } if !items.is_empty() => {
                Held::List { items: vec![text; items.len()], star }
            }
            _ => Held::One(text),
        }
    }

    /// `@A`: the assignment or `declare` command that makes the variable again.
    fn declaration(&mut self, parameter: &Parameter, held: Held, place: Place) -> Held {
        if let Held::List { items, .. } = &held
            && matches!(parameter.name, ParameterName::Special(_))
        {
            return self.set_command(parameter, items, place);
        }
        let state = self.cx.state();
        let written = parameter.name.to_bytes();
        let name = state.variables.meant(&written).unwrap_or(written);
        let Some(variable) = state.variables.get(&name).cloned() else { return Held::Unset };
        let (letters, shown) = (attributes(&variable), name.to_str_lossy().into_owned());
        let is_array = matches!(variable.value, Value::Indexed(_) | Value::Associative(_));
        let whole = is_array && matches!(parameter.index, Some(Subscript::At | Subscript::Star));
        let held = match held {
            Held::List { items, .. } if !is_array => {
                items.into_iter().next().map_or(Held::Unset, Held::One)
            }
            held => held,
        };
        let value = match (&variable.value, whole) {
            (Value::Indexed(elements), true) => {
                let pairs = elements.iter().map(|(key, text)| pair(&key.to_string(), text));
                format!("({})", pairs.collect::<Vec<_>>().join(" "))
            }
            (Value::Associative(elements), true) => {
                let pairs = elements.pairs().into_iter();
                let pairs = pairs.map(|(key, text)| pair(&subscript(key), text) + " ");
                format!("({})", pairs.collect::<String>())
            }
            _ => match held {
                Held::One(text) => requoted(text.bytes()).to_str_lossy().into_owned(),
                // Its attributes are told although there is no value.
                Held::Unset if letters.is_empty() => return Held::Unset,
                _ => String::new(),
            },
        };
        let assignment = match variable.bare || value.is_empty() {
            true => self.made(parameter, shown.as_bytes()),
            false => self.made(parameter, format!("{shown}={value}").as_bytes()),
        };
        if letters.is_empty() {
            return Held::One(assignment);
        }
        let command = [
            self.made(parameter, b"declare"),
            self.made(parameter, format!("-{letters}").as_bytes()),
        ];
        let items: Vec<Text> = command.into_iter().chain([assignment]).collect();
        let joined_star = place.quoted && matches!(parameter.index, Some(Subscript::Star));
        if whole && !joined_star && !self.separates_visibly() {
            return Held::List { items, star: matches!(parameter.index, Some(Subscript::Star)) };
        }
        let mut joined = Text::new();
        for (at, item) in items.iter().enumerate() {
            joined.push_text(&if at > 0 { self.made(parameter, b" ") } else { Text::new() });
            joined.push_text(item);
        }
        Held::One(joined)
    }

    /// Whether what stands between the words of a list is neither a space nor nothing.
    fn separates_visibly(&mut self) -> bool {
        ifs(self.cx.state()).joiner().first().is_some_and(|&first| first != b' ')
    }

    /// `${@@A}`: the command that makes the parameters again. Its first two words stand apart only where a
    /// space is what separates the words of a list.
    fn set_command(&mut self, parameter: &Parameter, items: &[Text], place: Place) -> Held {
        let star = matches!(parameter.name, ParameterName::Special(b'*'));
        let mut words: Vec<Text> =
            items.iter().map(|text| self.made(parameter, &requoted(text.bytes()))).collect();
        let apart = !((place.quoted && star) || self.separates_visibly());
        if apart && !words.is_empty() {
            let (set, dashes) = (self.made(parameter, b"set"), self.made(parameter, b"--"));
            words.splice(0..0, [set, dashes]);
            return Held::List { items: words, star };
        }
        let mut first = self.made(parameter, b"set -- ");
        match words.first_mut() {
            Some(word) => {
                first.push_text(word);
                *word = first;
            }
            None => words.push(first.slice(0, first.len() - 1)),
        }
        Held::List { items: words, star }
    }

    /// `@K` and `@k`: the keys and values, as one text or as fields.
    fn pairs(&mut self, parameter: &Parameter, held: Held, fields: bool) -> Held {
        let name = parameter.name.to_bytes();
        let star = match held {
            Held::List { items, star } if matches!(parameter.name, ParameterName::Special(_)) => {
                let quoted = |text: &Text| like(text, requoted(text.bytes()));
                return Held::List { items: items.iter().map(quoted).collect(), star };
            }
            Held::List { star, .. } => star,
            Held::One(text) => {
                return Held::One(like(&text, requoted(text.bytes())));
            }
            Held::Unset => return Held::Unset,
        };
        let value = self.cx.state().variables.get(&name).map(|variable| variable.value.clone());
        let elements: Vec<(Text, Text)> = match value {
            Some(Value::Indexed(elements)) => elements
                .into_iter()
                .map(|(key, text)| (self.made(parameter, key.to_string().as_bytes()), text))
                .collect(),
            Some(Value::Associative(elements)) => {
                let pairs = elements.pairs().into_iter();
                pairs.map(|(key, text)| (key.clone(), text.clone())).collect()
            }
            _ => return Held::Unset,
        };
        if fields {
            let items = elements.into_iter().flat_map(|(key, text)| [key, text]).collect();
            return Held::List { items, star };
        }
        let keyed = matches!(self.cx.state().variables.get(&name), Some(one) if matches!(one.value, Value::Associative(_)));
        let told = |(key, text): &(Text, Text)| {
            format!("{} {}", subscript(key), double_quoted(text.bytes()))
        };
        let joined = elements.iter().map(told).collect::<Vec<_>>().join(" ");
        let joined = if keyed { joined + " " } else { joined };
        Held::One(self.made(parameter, joined.as_bytes()))
    }
}

/// A list as `declare` shows it; the pairs of an associative array end in blanks.
pub(crate) fn listed(pairs: Vec<String>, keyed: bool) -> String {
    let end = if keyed && !pairs.is_empty() { " " } else { "" };
    format!("({}{end})", pairs.join(" "))
}

/// An element as `declare` shows it.
pub(crate) fn pair(key: &str, text: &Text) -> String {
    format!("[{key}]={}", double_quoted(text.bytes()))
}

/// A key as `declare` shows it.
pub(crate) fn subscript(key: &Text) -> String {
    let plain = |byte: &u8| {
        byte.is_ascii_alphanumeric() || !byte.is_ascii() || b"_-./,:+@%=~#".contains(byte)
    };
    let bytes = key.bytes();
    // These mean something at the start, and a tilde behind a sign does.
    let starts = matches!(bytes, [b'~' | b'#', ..] | b"@" | []);
    let escapes = DollarQuoting::Octal.escapes_some(bytes);
    let home = bytes.windows(2).any(|two| matches!(two, [b'=' | b':', b'~']));
    match !starts && !home && bytes.iter().all(plain) && !escapes {
        true => key.bytes().to_str_lossy().into_owned(),
        false => double_quoted(key.bytes()),
    }
}

/// The letters of a variable's attributes, in the order of `declare -p`.
pub(crate) fn attributes(variable: &Variable) -> String {
    let mut letters = String::new();
    match variable.value {
        Value::Indexed(_) => letters.push('a'),
        Value::Associative(_) => letters.push('A'),
        _ => {}
    }
    letters.push_str(match variable.keeps {
        Keeps::Integer(_) => "i",
        Keeps::Name => "n",
        _ => "",
    });
    letters.push_str(if variable.read_only { "r" } else { "" });
    letters.push_str(if variable.exported { "x" } else { "" });
    letters.push_str(match variable.keeps {
        Keeps::Capital => "c",
        Keeps::Lower => "l",
        Keeps::Upper => "u",
        _ => "",
    });
    letters
}

/// New bytes with the origin of a text.
pub(super) fn like(text: &Text, bytes: Vec<u8>) -> Text {
    match text.runs().next() {
        Some((run, _)) => Text::from_bytes(bytes, run.standing, run.origin.clone()),
        None => {
            let mut made = Text::new();
            made.push(
                &bytes,
                Standing::Quoted,
                &Origin::new(
                    Rule::Shell,
                    crate::source::Span::new(crate::source::SourceId::MAIN, 0, 0),
                ),
            );
            made
        }
    }
}
