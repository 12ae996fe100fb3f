//! What `env` makes of its arguments, and its own splitting of one text into many with `-S`, which is
//! how several arguments get through a `#!` line (GNU coreutils 9.1, observed).

use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::text::{Standing, Text};

/// What `env` is to do.
#[derive(Clone, Debug, Default)]
pub struct Order {
    /// The program and its arguments; empty where `env` only prints the environment.
    pub vector: Vec<Text>,
    /// Variables that it sets, as `NAME=VALUE`.
    pub sets: Vec<Text>,
    /// Variables that it takes away.
    pub unsets: Unsets,
    /// The folder that it goes to.
    pub folder: Option<Text>,
}

/// Variables that are taken away.
#[derive(Clone, Debug, Default)]
pub struct Unsets {
    /// All of them.
    pub all: bool,
    /// These.
    pub names: Vec<Text>,
}

/// Why `env` starts nothing.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Refusal {
    /// In plain words.
    pub why: String,
    /// Its exit status.
    pub status: u8,
}

/// An option: its letter, its long name, whether it takes a value.
const OPTIONS: [(u8, &str, Value); 10] = [
    (b'i', "ignore-environment", Value::None),
    (b'0', "null", Value::None),
    (b'u', "unset", Value::Needed),
    (b'C', "chdir", Value::Needed),
    (b'S', "split-string", Value::Needed),
    (b'v', "debug", Value::None),
    (1, "block-signal", Value::Attached),
    (1, "default-signal", Value::Attached),
    (1, "ignore-signal", Value::Attached),
    (1, "list-signal-handling", Value::None),
];

#[derive(Clone, Copy, PartialEq, Eq)]
enum Value {
    None,
    Needed,
    /// Only behind an equals sign.
    Attached,
}

fn refusal(why: impl Into<String>) -> Refusal {
    Refusal { why: why.into(), status: 125 }
}

/// Reads the vector of `env`, whose first element is its own name; `environment` gives `${NAME}`.
///
/// # Errors
/// Options that it does not have; a text that `-S` cannot split.
pub fn read(argv: &[Text], environment: &[Vec<u8>]) -> Result<Order, Refusal> {
    let mut order = Order::default();
    let mut null = false;
    // What is still to be read, the next word last.
    let mut rest: Vec<Text> = argv.iter().skip(1).rev().cloned().collect();
    while let Some(word) = rest.pop() {
        let bytes = word.bytes();
        if bytes == b"--" {
            break;
        }
        if bytes == b"-" {
            order.unsets.all = true;
            break;
        }
        let options = match bytes {
            [b'-', b'-', name @ ..] => vec![long(name, &word, &mut rest)?],
            [b'-', _, ..] => short(&word, &mut rest)?,
            _ => {
                rest.push(word);
                break;
            }
        };
        for (letter, value) in options {
            match (letter, value) {
                (b'i', _) => order.unsets.all = true,
                (b'0', _) => null = true,
                (b'u', Some(name)) => order.unsets.names.push(checked(name)?),
                (b'C', Some(folder)) => order.folder = Some(folder),
                (b'S', Some(text)) => {
                    // The words take the place of the text, and may be options themselves.
                    rest.extend(split(&text, environment)?.into_iter().rev());
                }
                _ => {}
            }
        }
    }
    while rest.last().is_some_and(|word| word.bytes().contains(&b'=')) {
        order.sets.extend(rest.pop());
    }
    rest.reverse();
    if null && !rest.is_empty() {
        return Err(refusal("-0 is only for printing the environment, not for a command"));
    }
    if order.folder.is_some() && rest.is_empty() {
        return Err(refusal("-C wants a command"));
    }
    order.vector = rest;
    Ok(order)
}

fn checked(name: Text) -> Result<Text, Refusal> {
    match name.is_empty() || name.bytes().contains(&b'=') {
        true => Err(refusal(format!("{} is no name to unset", lossy(&name)))),
        false => Ok(name),
    }
}

fn lossy(text: &Text) -> String {
    String::from_utf8_lossy(text.bytes()).into_owned()
}

type Given = (u8, Option<Text>);

/// A cluster of letters.
fn short(word: &Text, rest: &mut Vec<Text>) -> Result<Vec<Given>, Refusal> {
    let bytes = word.bytes();
    let mut given = Vec::new();
    for at in 1..bytes.len() {
        let letter = bytes[at];
        let known = OPTIONS.iter().find(|(known, ..)| *known == letter);
        let Some((_, _, value)) = known else {
            let hint = match letter {
                b' ' | b'\t' => "; several words in one argument of #! want -S",
                _ => "",
            };
            let letter = char::from(letter);
            return Err(refusal(format!("env has no option {letter:?}{hint}")));
        };
        if *value != Value::Needed {
            given.push((letter, None));
            continue;
        }
        let attached = word.slice(at + 1, bytes.len());
        let value = match attached.is_empty() {
            false => Some(attached),
            true => rest.pop(),
        };
        let Some(value) = value else {
            return Err(refusal(format!("-{} wants a value", char::from(letter))));
        };
        given.push((letter, Some(value)));
        break;
    }
    Ok(given)
}

/// A long option, which may be shortened as long as one name is meant.
fn long(name: &[u8], word: &Text, rest: &mut Vec<Text>) -> Result<Given, Refusal> {
    let equals = name.iter().position(|&byte| byte == b'=');
    let written = &name[..equals.unwrap_or(name.len())];
    let mut matching = OPTIONS.iter().filter(|(_, long, _)| long.as_bytes().starts_with(written));
    let exact = OPTIONS.iter().find(|(_, long, _)| long.as_bytes() == written);
    let option = match (exact, matching.next(), matching.next()) {
        (Some(option), ..) | (None, Some(option), None) => option,
        _ => return Err(refusal(format!("env has no option {}", lossy(word)))),
    };
    let attached = equals.map(|at| word.slice(at + 3, word.len()));
    match (option.2, attached) {
        (Value::None, Some(_)) => Err(refusal(format!("--{} takes no value", option.1))),
        (Value::Needed, None) => match rest.pop() {
            Some(value) => Ok((option.0, Some(value))),
            None => Err(refusal(format!("--{} wants a value", option.1))),
        },
        (_, value) => Ok((option.0, value)),
    }
}

impl Order {
    /// Makes the environment what it is behind `env`.
    pub fn apply(&self, environment: &mut Vec<Vec<u8>>) {
        if self.unsets.all {
            environment.clear();
        }
        let name = |string: &[u8]| string.split(|&byte| byte == b'=').next().map(<[u8]>::to_vec);
        for unset in &self.unsets.names {
            environment.retain(|string| name(string).as_deref() != Some(unset.bytes()));
        }
        for set in &self.sets {
            let known = environment.iter_mut().find(|string| name(string) == name(set.bytes()));
            match known {
                Some(string) => *string = set.bytes().to_vec(),
                None => environment.push(set.bytes().to_vec()),
            }
        }
    }
}

/// The value of a variable in the strings of an environment.
pub fn variable<'a>(environment: &'a [Vec<u8>], name: &[u8]) -> Option<&'a [u8]> {
    environment.iter().find_map(|string| string.strip_prefix(name)?.strip_prefix(b"="))
}

/// Splits a text as `env -S` does.
///
/// # Errors
/// A quote without an end, a backslash before a character that it does not know, a `$` that begins no
/// `${NAME}`.
pub fn split(text: &Text, environment: &[Vec<u8>]) -> Result<Vec<Text>, Refusal> {
    Splitter { text, environment, at: 0, words: Vec::new(), word: None }.run()
}

struct Splitter<'a> {
    text: &'a Text,
    environment: &'a [Vec<u8>],
    at: usize,
    words: Vec<Text>,
    /// The word that has begun.
    word: Option<Text>,
}

#[derive(Clone, Copy, PartialEq, Eq)]
enum Quotes {
    None,
    Single,
    Double,
}

impl Splitter<'_> {
    fn run(mut self) -> Result<Vec<Text>, Refusal> {
        let mut quotes = Quotes::None;
        while let Some(&byte) = self.text.bytes().get(self.at) {
            match (byte, quotes) {
                (b'\'', Quotes::None) => quotes = self.turn(Quotes::Single),
                (b'"', Quotes::None) => quotes = self.turn(Quotes::Double),
                (b'\'', Quotes::Single) | (b'"', Quotes::Double) => {
                    quotes = self.turn(Quotes::None)
                }
                (b' ' | b'\t' | b'\n' | 0x0b | 0x0c | b'\r', Quotes::None) => {
                    self.end_word();
                    self.at += 1;
                }
                (b'#', Quotes::None) if self.word.is_none() => break,
                (b'\\', _) => {
                    if self.escape(quotes)? {
                        break;
                    }
                }
                (b'$', Quotes::None | Quotes::Double) => self.variable()?,
                _ => {
                    let plain = |byte: &&u8| !b"'\"\\$ \t\n\x0b\x0c\r".contains(byte);
                    let more = self.text.bytes()[self.at + 1..].iter().take_while(plain).count();
                    self.take(1 + more);
                }
            }
        }
        if quotes != Quotes::None {
            return Err(refusal("a quote in the text of -S has no end"));
        }
        self.end_word();
        Ok(self.words)
    }

    fn turn(&mut self, quotes: Quotes) -> Quotes {
        self.word.get_or_insert_default();
        self.at += 1;
        quotes
    }

    fn end_word(&mut self) {
        if let Some(mut word) = self.word.take() {
            if word.is_empty() {
                self.keep_origin(&mut word);
            }
            self.words.push(word);
        }
    }

    /// Even an empty word knows where it was written.
    fn keep_origin(&self, word: &mut Text) {
        if let Some((run, _)) = self.text.runs().next() {
            word.push(b"", Standing::Quoted, &run.origin);
        }
    }

    /// Takes bytes as they stand.
    fn take(&mut self, count: usize) {
        let bytes = self.text.bytes()[self.at..self.at + count].to_vec();
        self.push(&bytes, count, Rule::Literal);
    }

    /// Puts bytes for the next `written` ones.
    fn push(&mut self, bytes: &[u8], written: usize, rule: Rule) {
        let Some((run, _)) = self.text.runs().next() else { return };
        let whole = run.origin.span();
        // The text is one piece of one source, so that a place in it is one there.
        let start = whole.start as usize + self.at;
        let span = Span::new(whole.source, start, start + written);
        let origin = Origin::new(rule, span);
        self.word.get_or_insert_default().push(bytes, Standing::Quoted, &origin);
        self.at += written;
    }

    /// A backslash; true where `\c` ends the text.
    fn escape(&mut self, quotes: Quotes) -> Result<bool, Refusal> {
        let Some(&next) = self.text.bytes().get(self.at + 1) else {
            return Err(refusal("the text of -S ends in a backslash"));
        };
        let decoded = match next {
            b'\\' | b'\'' if quotes == Quotes::Single => next,
            _ if quotes == Quotes::Single => {
                self.take(2);
                return Ok(false);
            }
            b'_' if quotes == Quotes::None => {
                self.end_word();
                self.at += 2;
                return Ok(false);
            }
            b'_' => b' ',
            b'c' if quotes == Quotes::Double => {
                return Err(refusal("\\c does not stand inside double quotes of -S"));
            }
            b'c' => return Ok(true),
            b'f' => 0x0c,
            b'n' => b'\n',
            b'r' => b'\r',
            b't' => b'\t',
            b'v' => 0x0b,
            b'"' | b'#' | b'$' | b'\'' | b'\\' => next,
            _ => {
                let next = char::from(next);
                return Err(refusal(format!("-S knows no escape \\{next}")));
            }
        };
        self.push(&[decoded], 2, Rule::Quoted);
        Ok(false)
    }

    /// `${NAME}`; one that is not set is nothing.
    fn variable(&mut self) -> Result<(), Refusal> {
        let rest = &self.text.bytes()[self.at..];
        let name = rest.strip_prefix(b"${").and_then(|rest| {
            let end = rest.iter().position(|&byte| byte == b'}')?;
            let name = &rest[..end];
            crate::syntax::is_name(name).then_some(name)
        });
        let Some(name) = name else {
            return Err(refusal("behind $, -S takes only ${NAME}"));
        };
        let written = name.len() + 3;
        match variable(self.environment, name) {
            Some(value) => self.push(value, written, Rule::Parameter),
            None => self.at += written,
        }
        Ok(())
    }
}

#[cfg(test)]
mod tests {
    use super::{Refusal, split};
    use crate::lineage::{Origin, Rule};
    use crate::source::{SourceId, Span};
    use crate::text::{Standing, Text};

    fn words(text: &str) -> Result<Vec<String>, Refusal> {
        let span = Span::new(SourceId::MAIN, 0, text.len());
        let text =
            Text::copied(text.as_bytes(), Standing::Quoted, Origin::new(Rule::Literal, span));
        let environment = [b"HIVE=north hive".to_vec()];
        let words = split(&text, &environment)?;
        Ok(words.iter().map(|word| String::from_utf8_lossy(word.bytes()).into_owned()).collect())
    }

    #[test]
    fn texts_are_split_as_env_does() {
        assert_eq!(
            words(r#"a 'b c' "${HIVE}x" '${HIVE}' ${NOSUCH}"#).unwrap(),
            ["a", "b c", "north hivex", "${HIVE}"]
        );
        assert_eq!(words(r"a\_b a\tb 'a\tb' '' # all").unwrap(), ["a", "b", "a\tb", "a\\tb", ""]);
        assert_eq!(words(r"jar\cnothing").unwrap(), ["jar"]);
        for bad in ["$HIVE", "'a", r"a\q", "a\\", r#""a\cb""#] {
            assert_eq!(words(bad).unwrap_err().status, 125, "{bad}");
        }
    }
}
