//! `zparseopts [-DEFKM] [-a array] [-A association] specification...` (zsh 5.9): takes options out of the
//! positional parameters and puts them into arrays.

use std::rc::Rc;

use crate::dialect::KeyOrder;
use crate::state::{Associative, Key, Value};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::builtins::Call;
use crate::walk::{Cause, Walker};

/// How an option stands to a value.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Takes {
    Nothing,
    /// `:`, in an element of its own.
    Value,
    /// `:-`, in the element of the option.
    ValueInSame,
    /// `::`, in the element of the option, where there is one.
    Maybe,
}

/// `name[+][:...][=array]`
struct Wanted {
    name: Vec<u8>,
    again: bool,
    takes: Takes,
    array: Option<Rc<[u8]>>,
}

impl Wanted {
    /// Reads a specification; `None` if it is none. A backslash makes the next character part of the name.
    fn read(text: &[u8]) -> Option<Wanted> {
        let mut name = Vec::new();
        let mut at = 0;
        while let Some(&byte) = text.get(at).filter(|byte| !b"+:=".contains(byte)) {
            at += usize::from(byte == b'\\');
            name.push(*text.get(at)?);
            at += 1;
        }
        let mut rest = text.get(at..)?;
        let again = rest.first() == Some(&b'+');
        rest = &rest[usize::from(again)..];
        let kinds: [(&[u8], Takes); 3] =
            [(b"::", Takes::Maybe), (b":-", Takes::ValueInSame), (b":", Takes::Value)];
        let kind = kinds.into_iter().find(|(sign, _)| rest.starts_with(sign));
        rest = &rest[kind.map_or(0, |(sign, _)| sign.len())..];
        let array = match rest {
            [] => None,
            [b'=', array @ ..] if !array.is_empty() => Some(array.into()),
            _ => return None,
        };
        let takes = kind.map_or(Takes::Nothing, |(_, takes)| takes);
        (!name.is_empty()).then_some(Wanted { name, again, takes, array })
    }
}

/// An option that was found: its number, how it is called, its value.
type Found = (usize, Text, Option<Text>);

/// What was asked for, and what has been found so far.
struct Search {
    options: Vec<Wanted>,
    found: Vec<Found>,
}

impl Search {
    fn add(&mut self, option: usize, called: Text, value: Option<Text>) {
        if self.options[option].again {
            self.found.push((option, called, value));
            return;
        }
        match self.found.iter_mut().find(|(known, ..)| *known == option) {
            Some(before) => *before = (option, called, value),
            None => self.found.push((option, called, value)),
        }
    }

    /// The option that a word without its dash names as a whole, or begins with where it takes a value.
    fn whole(&self, word: &[u8]) -> Option<usize> {
        self.options.iter().position(|option| match option.takes {
            Takes::Nothing => option.name == word,
            _ => word.starts_with(&option.name),
        })
    }

    fn letter(&self, letter: u8) -> Option<usize> {
        self.options.iter().position(|option| option.name == [letter])
    }

    /// The value behind an option, in its word or in the next one, which is then taken; `Err` if it is
    /// missing.
    fn value(&self, option: usize, behind: Text, next: Option<&Text>) -> Result<Valued, ()> {
        let is_value = |text: &&Text| !text.bytes().starts_with(b"-");
        match self.options[option].takes {
            Takes::Nothing => Ok((None, false)),
            _ if !behind.is_empty() => Ok((Some(behind), false)),
            Takes::Maybe => {
                let next = next.filter(is_value).cloned();
                Ok((next.clone(), next.is_some()))
            }
            _ => next.map(|next| (Some(next.clone()), true)).ok_or(()),
        }
    }

    /// The elements of an array: those of the options that name it, or of all that name none.
    fn elements(&self, array: Option<&Rc<[u8]>>) -> Vec<Text> {
        let mut elements = Vec::new();
        for (option, called, value) in &self.found {
            let option = &self.options[*option];
            if option.array.as_ref() != array {
                continue;
            }
            match (option.takes, value) {
                (Takes::Value, Some(value)) => elements.extend([called.clone(), value.clone()]),
                (_, Some(value)) => {
                    let mut joined = called.clone();
                    joined.push_text(value);
                    elements.push(joined);
                }
                (_, None) => elements.push(called.clone()),
            }
        }
        elements
    }
}

/// A value, and whether it was the next word.
type Valued = (Option<Text>, bool);

/// The words up to the last option of the utility's own, and the specifications: the first word that is no
/// such option begins these, with a dash or without.
fn parted<'a>(call: &Call<'a>) -> (&'a [Text], &'a [Text]) {
    let argv: &'a [Text] = call.argv;
    let mut own = 1;
    while let Some([b'-', letter, rest @ ..]) = argv.get(own).map(Text::bytes) {
        let named = b"aAv".contains(letter);
        let all = rest.iter().all(|letter| b"DEFKMG".contains(letter));
        let lone = b"DEFKMG-".contains(letter) && all;
        if !(named || lone) {
            break;
        }
        own += if named && rest.is_empty() { 2 } else { 1 };
        if *letter == b'-' {
            break;
        }
    }
    argv.split_at(own.min(argv.len()))
}

/// `zparseopts`
pub(super) fn zparseopts(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let (own, specifications) = parted(call);
    let given = Call { argv: own, ..*call }.given("DEFKMGa:A:v:", false);
    let read = specifications.iter().map(|text| Wanted::read(text.bytes()));
    let Some(options) = read.collect::<Option<Vec<_>>>() else { return Ok(1) };
    if given.unknown.is_some() || options.is_empty() {
        return Ok(1);
    }
    let is_bad = |array: &Rc<[u8]>| !walker.state.dialect.is_name(array);
    if options.iter().filter_map(|option| option.array.as_ref()).any(is_bad) {
        return Err(walker.fatal(call, "this is no name of an array"));
    }
    if given.has(b'M') || given.has(b'G') || given.has(b'v') {
        crate::expand::Context::missing(walker, "what this option of zparseopts does", call.span);
        return Ok(0);
    }
    let words = walker.state.positional.all().to_vec();
    let mut search = Search { options, found: Vec::new() };
    let Some(rest) = taken(&mut search, &words, given.has(b'E'), given.has(b'F'), walker) else {
        return Ok(1);
    };
    let keeps = given.has(b'K');
    let mut arrays: Vec<&Rc<[u8]>> = Vec::new();
    for array in search.options.iter().filter_map(|option| option.array.as_ref()) {
        if !arrays.contains(&array) {
            arrays.push(array);
        }
    }
    let named = arrays.into_iter().map(|array| (array.clone(), search.elements(Some(array))));
    let rest_of = given.value(b'a').map(|array| (array.bytes().into(), search.elements(None)));
    let all: Vec<(Rc<[u8]>, Vec<Text>)> = named.chain(rest_of).collect();
    for (array, elements) in all {
        if !(keeps && elements.is_empty()) {
            walker.assign_array(&array, elements, call.span)?;
        }
    }
    if let Some(name) = given.value(b'A') {
        walker.assign_options(name.bytes(), &search.found, keeps, call)?;
    }
    if given.has(b'D') {
        let before = walker.state.positional.share();
        walker.state.positional.set(rest);
        walker.tell_change(Cause::Set, &before, call.span)?;
    }
    Ok(0)
}

/// Goes through the words; answers what is left of them, or nothing where there is a mistake.
fn taken(
    search: &mut Search,
    words: &[Text],
    passes: bool,
    fails: bool,
    walker: &Walker,
) -> Option<Vec<Text>> {
    let mut rest = Vec::new();
    let mut at = 0;
    while let Some(word) = words.get(at) {
        let bytes = word.bytes();
        match bytes {
            [b'-'] | [b'-', b'-'] => {
                at += usize::from(!passes);
                break;
            }
            [b'-', ..] => {}
            _ if passes => {
                rest.push(word.clone());
                at += 1;
                continue;
            }
            _ => break,
        }
        let mut known = true;
        if let Some(option) = search.whole(&bytes[1..]) {
            let end = 1 + search.options[option].name.len();
            let behind = word.slice(end, word.len());
            let (value, next) = search.value(option, behind, words.get(at + 1)).ok()?;
            search.add(option, word.slice(0, end), value);
            at += usize::from(next);
        } else {
            let mut from = 1;
            while from < bytes.len() {
                let Some(option) = search.letter(bytes[from]) else {
                    known = false;
                    break;
                };
                let takes = search.options[option].takes != Takes::Nothing;
                let behind = if takes { word.slice(from + 1, word.len()) } else { Text::new() };
                let (value, next) = search.value(option, behind, words.get(at + 1)).ok()?;
                let mut called = walker.state.shell_text(b"-");
                called.push_text(&word.slice(from, from + 1));
                called.set_standing(Standing::Quoted);
                search.add(option, called, value);
                at += usize::from(next);
                from = if takes { bytes.len() } else { from + 1 };
            }
        }
        if !known && fails {
            return None;
        }
        match known {
            true => {}
            false if passes => rest.push(word.clone()),
            false => break,
        }
        at += 1;
    }
    rest.extend_from_slice(words.get(at..).unwrap_or_default());
    Some(rest)
}

impl Walker {
    /// Puts options and their values into an associative array.
    fn assign_options(
        &mut self,
        name: &[u8],
        found: &[Found],
        keeps: bool,
        call: &Call<'_>,
    ) -> Result<(), Stop> {
        if keeps && found.is_empty() {
            return Ok(());
        }
        let order: KeyOrder = self.state.dialect.key_order;
        self.state.variables.entry(name).value = Value::Associative(Associative::new(order));
        for (_, called, value) in found {
            let value = value.clone().unwrap_or_else(|| self.state.shell_text(b""));
            self.state.store(name, Some(Key::Text(called.clone())), value, call.span)?;
        }
        Ok(())
    }
}
