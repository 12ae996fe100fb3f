//! One word of options: which it is, what it takes, what it does.

use crate::host::join;
use crate::receive::runtime::{Does, Flag, Shape, Takes, Unknown};
use crate::receive::start::{Program, Reader, Refusal, shown};
use crate::syntax::is_name;
use crate::text::{Standing, Text};

impl Reader {
    /// Reads one word of options; answers whether it was one.
    pub(super) fn option(&mut self, word: &Text) -> Result<bool, Refusal> {
        let bytes = word.bytes();
        let long = bytes.starts_with(b"--");
        let words = self.grammar.shape == Shape::Words;
        // bash takes its long options with one dash too.
        let short_long = self.grammar.long_first && !self.seen_letters && !long;
        if long || words || short_long {
            let name = if short_long { [b"-", bytes].concat() } else { bytes.to_vec() };
            if !(long && self.grammar.long_first && self.seen_letters && bytes != b"--")
                && let Some((flag, value_at)) = self.long_flag(&name)
            {
                let attached = value_at.map(|at| at + bytes.len() - name.len());
                self.at += 1;
                if bytes == b"--" {
                    self.behind_dashes = true;
                }
                let value = self.value(flag.takes, word, attached)?;
                self.does(flag.does, value, word)?;
                return Ok(true);
            }
            if long && self.grammar.long_first && self.seen_letters {
                return Err(Program::Nothing(
                    None,
                    format!("{} stands behind letters", shown(word)),
                ));
            }
            if long || words {
                return self.unknown(word);
            }
        }
        self.seen_letters = true;
        self.letters(word)
    }

    /// A long option, or one that is a word, and where a value stands in it.
    fn long_flag(&self, name: &[u8]) -> Option<(Flag, Option<usize>)> {
        let equals = name.iter().position(|&byte| byte == b'=');
        let stem = &name[..equals.unwrap_or(name.len())];
        let value = equals.map(|at| at + 1);
        for flag in self.grammar.flags.iter().filter(|flag| flag.name.starts_with('-')) {
            if let Some(start) = flag.name.strip_suffix('*') {
                if name.starts_with(start.as_bytes()) {
                    let attached = (flag.takes != Takes::Nothing && name.len() > start.len())
                        .then_some(start.len());
                    return Some((*flag, attached));
                }
            } else if flag.name.as_bytes() == name {
                return Some((*flag, None));
            } else if flag.name.as_bytes() == stem && flag.takes == Takes::Value {
                return Some((*flag, value));
            }
        }
        self.listed(stem, value).or_else(|| self.abbreviated(stem, value))
    }

    /// A name of the lists: with `no` before it, and other signs between its words, it is the same.
    fn listed(&self, stem: &[u8], value: Option<usize>) -> Option<(Flag, Option<usize>)> {
        let sets = |takes| Flag { name: "", takes, does: Does::Sets };
        if self.grammar.plain.split(' ').any(|one| one.len() > 1 && one.as_bytes() == stem) {
            return value.is_none().then_some((sets(Takes::Nothing), None));
        }
        let plain: Vec<u8> =
            stem.iter().map(|&byte| if byte == b'_' { b'-' } else { byte }).collect();
        let negated = plain.strip_prefix(b"--no-").map(|rest| [b"--", rest].concat());
        let mut bare = plain.to_ascii_lowercase();
        bare.retain(|byte| *byte != b'-');
        for line in self.grammar.names.iter().flat_map(|names| names.lines()) {
            let takes_value = line.ends_with(['=', ':']);
            let name = line.trim_end_matches(['=', ':', '?']).as_bytes();
            let is_zsh = !name.starts_with(b"-");
            let is_same = match is_zsh {
                true => bare == name || bare.strip_prefix(b"no").is_some_and(|rest| rest == name),
                false => plain == name || (!takes_value && negated.as_deref() == Some(name)),
            };
            if is_same {
                let takes = match line.as_bytes().last() {
                    Some(b'=') => Takes::Value,
                    Some(b':') => Takes::Attached,
                    _ => Takes::Nothing,
                };
                return Some((sets(takes), value));
            }
        }
        None
    }

    /// A long option that was cut short, where only one begins so.
    fn abbreviated(&self, stem: &[u8], value: Option<usize>) -> Option<(Flag, Option<usize>)> {
        if !self.grammar.abbreviates || stem.len() < 3 {
            return None;
        }
        let flags = self.grammar.flags.iter().copied();
        let listed = self.grammar.names.iter().flat_map(|names| names.lines()).map(|line| {
            let takes = if line.ends_with('=') { Takes::Value } else { Takes::Nothing };
            Flag { name: line, takes, does: Does::Sets }
        });
        let mut fitting = flags.chain(listed).filter(|flag| flag.name.as_bytes().starts_with(stem));
        let found = fitting.next()?;
        fitting.next().is_none().then_some((found, value))
    }

    fn letters(&mut self, word: &Text) -> Result<bool, Refusal> {
        let bytes = word.bytes();
        let mut at = 1;
        self.at += 1;
        while at < bytes.len() {
            let letter = bytes[at];
            at += 1;
            if self.grammar.plain.as_bytes().contains(&letter) {
                continue;
            }
            let flag =
                self.grammar.flags.iter().find(|flag| flag.name.as_bytes() == [letter]).copied();
            let Some(flag) = flag else {
                if self.grammar.unknown == Unknown::Ignored {
                    continue;
                }
                self.at -= 1;
                return self.unknown(word);
            };
            let rest = &bytes[at..];
            let taken = match flag.takes {
                Takes::Among(set) => prefix(rest, |byte| set.as_bytes().contains(byte)),
                Takes::Number if matches!(rest, [b'x' | b'X', digit, ..] if digit.is_ascii_hexdigit()) => {
                    1 + prefix(&rest[1..], u8::is_ascii_hexdigit)
                }
                Takes::Number => prefix(rest, |byte| (b'0'..=b'7').contains(byte)),
                Takes::Nothing | Takes::Next | Takes::NextIfAny => 0,
                _ => rest.len(),
            };
            let attached = (taken > 0).then_some(at);
            at += taken;
            let value = self.value(flag.takes, word, attached)?;
            self.does(flag.does, value, word)?;
        }
        Ok(true)
    }

    /// The value of an option: attached from a place of the word on, or the next word.
    fn value(
        &mut self,
        takes: Takes,
        word: &Text,
        attached: Option<usize>,
    ) -> Result<Option<Text>, Refusal> {
        let next = match (takes, attached) {
            (Takes::Value | Takes::ValueWithoutDash | Takes::Rest | Takes::Attached, Some(at)) => {
                return Ok(Some(word.slice(at, word.len())));
            }
            (Takes::Value | Takes::ValueWithoutDash | Takes::Next, _) => {
                self.argv.get(self.at).cloned()
            }
            (Takes::NextIfAny, _) if self.at == self.argv.len() => return Ok(None),
            (Takes::NextIfAny, _) => self.argv.get(self.at).cloned(),
            (Takes::Attached, None) => None,
            _ => return Ok(None),
        };
        let fits =
            |value: &Text| takes != Takes::ValueWithoutDash || !value.bytes().starts_with(b"-");
        match next.filter(fits) {
            Some(value) => {
                self.at += 1;
                Ok(Some(value))
            }
            None => Err(self.refused(format!("{} wants a value", shown(word)))),
        }
    }

    fn does(&mut self, does: Does, value: Option<Text>, word: &Text) -> Result<(), Refusal> {
        let is_given = value.is_some();
        let value = value.unwrap_or_default();
        match does {
            Does::OneOf(names)
                if is_given && !names.split(' ').any(|one| one.as_bytes() == value.bytes()) =>
            {
                return Err(self.refused(format!("there is no option named {}", shown(&value))));
            }
            Does::OneOf(_) | Does::Sets => {}
            Does::Text => {
                // Several texts are lines of one program.
                let text = match self.program.take() {
                    Some(Program::Text(mut text, _)) => {
                        let origin = value.runs().next().map(|(run, _)| run.origin.clone());
                        if let Some(origin) = origin {
                            text.push(b"\n", Standing::Quoted, &origin);
                        }
                        text.push_text(&value);
                        text
                    }
                    _ => value,
                };
                self.program = Some(Program::Text(text, None));
                self.ends |= self.grammar.text_ends;
            }
            Does::TextBefore => self.before = Some(value),
            Does::File if self.grammar.text_is_operand && value.bytes() == b"-" => {
                self.program = Some(Program::Input(None));
            }
            Does::File => self.program = Some(Program::File(self.at - 1, value)),
            Does::Extracts(word) => self.extracts = Some(word),
            Does::Folder => self.folder = join(&self.folder, value.bytes()),
            Does::Assigns if !is_assignment(value.bytes()) => {
                let status = Some(2);
                return Err(Program::Nothing(
                    status,
                    format!("{} is no assignment", shown(&value)),
                ));
            }
            Does::Assigns => {}
            Does::LastFile => {
                self.program = Some(Program::File(self.at - 1, value));
                self.ends = true;
            }
            Does::LastFileBehind => {
                let Some(file) = self.argv.get(self.at).cloned() else {
                    return Err(self.refused(format!("{} wants a file", shown(word))));
                };
                self.program = Some(Program::File(self.at, file));
                self.at += 1;
                self.ends = true;
            }
            Does::Module => {
                self.program = Some(Program::Module(value));
                self.ends = true;
            }
            Does::TextOperand => self.text_operand = true,
            Does::Input => self.program = Some(Program::Input(None)),
            Does::Exits => self.exits = true,
            Does::Tells => self.tells = true,
            Does::Loops => self.loops = true,
            Does::Switches => self.switches = true,
            Does::Ends => self.ends = true,
            Does::ByValue(rows) => {
                let fits = |(start, _): &&(&str, Does)| value.bytes().starts_with(start.as_bytes());
                if let Some((_, does)) = rows.iter().find(fits) {
                    return self.does(*does, None, word);
                }
            }
        }
        Ok(())
    }

    fn unknown(&mut self, word: &Text) -> Result<bool, Refusal> {
        match self.grammar.unknown {
            Unknown::Argument if self.program.is_some() => Ok(false),
            Unknown::Ignored => {
                self.at += 1;
                Ok(true)
            }
            _ => Err(self.refused(format!("it does not know the option {}", shown(word)))),
        }
    }
}

/// Whether a text begins with a name and `=`.
fn is_assignment(text: &[u8]) -> bool {
    text.iter().position(|&byte| byte == b'=').is_some_and(|at| is_name(&text[..at]))
}

fn prefix(bytes: &[u8], belongs: impl Fn(&u8) -> bool) -> usize {
    bytes.iter().take_while(|byte| belongs(byte)).count()
}
