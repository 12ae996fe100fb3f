//! `zparseopts [-DEFKM] [-a array] [-A association] specification...` (zsh 5.9): takes options out of the
//! positional parameters and puts them into arrays.

use std::rc::Rc;

use crate::dialect::KeyOrder;
use crate::state::{Associative, Key, Value};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::builtins::Call;
use crate::walk::{Cause, Walker};

/// An option as it is specified: `name[+][:|::][-][=array]`.
struct Wanted {
    name: Vec<u8>,
    /// `+`: each time it is met counts.
    again: bool,
    /// `:`, a value stands behind it.
    takes: bool,
    /// `::`, in the same word or in one without a dash.
    maybe: bool,
    /// `:-`, the array gets both in one element.
    joined: bool,
    array: Option<Rc<[u8]>>,
}

impl Wanted {
    /// Reads a specification; `None` if it is none. A backslash makes the next character part of the name, as the
    /// first character always is.
    fn read(text: &[u8]) -> Option<Wanted> {
        let mut name = Vec::new();
        let mut at = 0;
        while let Some(&byte) = text.get(at).filter(|byte| at == 0 || !b"+:=".contains(byte)) {
            at += usize::from(byte == b'\\' && at + 1 < text.len());
            name.push(text[at]);
            at += 1;
        }
        let mut rest = text.get(at..)?;
        let mut eat = |sign: &[u8]| {
            let is_there = rest.starts_with(sign);
            rest = &rest[if is_there { sign.len() } else { 0 }..];
            is_there
        };
        let again = eat(b"+");
        let takes = eat(b":");
        let maybe = takes && eat(b":");
        let joined = takes && eat(b"-");
        let array = match rest {
            [] => None,
            [b'=', array @ ..] if !array.is_empty() => Some(array.into()),
            _ => return None,
        };
        (!name.is_empty()).then_some(Wanted { name, again, takes, maybe, joined, array })
    }
}

/// An option that was found: its number, how it is called, its value.
type Found = (usize, Text, Option<Text>);

/// What was asked for, and what has been found so far.
struct Search {
    options: Vec<Wanted>,
    /// The option that each one counts as (`-M`).
    stands_for: Vec<usize>,
    found: Vec<Found>,
}

impl Search {
    /// The options, of which no two have one name; `None` where they do, or stand for each other in a circle.
    fn of(options: Vec<Wanted>, maps: bool) -> Option<Search> {
        let named = |name: &[u8]| options.iter().position(|option| option.name == name);
        if options.iter().enumerate().any(|(at, option)| named(&option.name) != Some(at)) {
            return None;
        }
        let next = |at: usize| options[at].array.as_deref().and_then(named).filter(|_| maps);
        let mut stands_for = Vec::new();
        for start in 0..options.len() {
            let (mut at, mut steps) = (start, 0);
            while let Some(other) = next(at).filter(|&other| other != at) {
                (at, steps) = (other, steps + 1);
                if steps > options.len() {
                    return None;
                }
            }
            stands_for.push(at);
        }
        Some(Search { options, stands_for, found: Vec::new() })
    }

    fn add(&mut self, option: usize, called: Text, value: Option<Text>) {
        let option = self.stands_for[option];
        let before = self.found.iter_mut().find(|(known, ..)| *known == option);
        match before.filter(|_| !self.options[option].again) {
            // It keeps the name that it was met by first.
            Some(before) => before.2 = value,
            None => self.found.push((option, called, value)),
        }
    }

    /// The option that a word without its dash names as a whole, or begins with where it takes a value; of several
    /// the one that was specified last.
    fn whole(&self, word: &[u8]) -> Option<usize> {
        self.options.iter().rposition(|option| match option.takes {
            false => option.name == word,
            true => word.starts_with(&option.name),
        })
    }

    fn letter(&self, letter: u8) -> Option<usize> {
        self.options.iter().position(|option| option.name == [letter])
    }

    /// The value behind an option, in its word or in the next one, which is then taken; `Err` if it is
    /// missing.
    fn value(&self, option: usize, behind: Text, next: Option<&Text>) -> Result<Valued, ()> {
        let is_value = |text: &&Text| !text.bytes().starts_with(b"-");
        match &self.options[option] {
            Wanted { takes: false, .. } => Ok((None, false)),
            _ if !behind.is_empty() => Ok((Some(behind), false)),
            Wanted { maybe: true, .. } => {
                let next = next.filter(is_value).cloned();
                Ok((next.clone(), next.is_some()))
            }
            _ => next.map(|next| (Some(next.clone()), true)).ok_or(()),
        }
    }

    /// Whether an array is a name for another option, and no array.
    fn is_other_name(&self, array: &[u8], maps: bool) -> bool {
        let is_met = |at: usize| self.options[at].array.as_deref() == Some(array);
        maps && self.options.iter().any(|option| option.name == array)
            && !self.found.iter().any(|(at, ..)| is_met(*at))
    }

    /// The elements of an array: those of the options that name it, or of all that name none.
    fn elements(&self, array: Option<&Rc<[u8]>>) -> Vec<Text> {
        let mut elements = Vec::new();
        for (option, called, value) in &self.found {
            let option = &self.options[*option];
            if option.array.as_ref() != array {
                continue;
            }
            match value {
                Some(value) if !option.maybe && !option.joined => {
                    elements.extend([called.clone(), value.clone()]);
                }
                Some(value) => {
                    let mut joined = called.clone();
                    joined.push_text(value);
                    elements.push(joined);
                }
                None => elements.push(called.clone()),
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
    while let Some(word) = argv.get(own) {
        own += match word.bytes() {
            [b'-', b'a' | b'A'] => 2,
            [b'-', b'a' | b'A', ..] | [b'-', b'D' | b'E' | b'F' | b'K' | b'M'] => 1,
            b"-" | b"--" => {
                own += 1;
                break;
            }
            _ => break,
        };
    }
    argv.split_at(own.min(argv.len()))
}

/// `zparseopts`
pub(super) fn zparseopts(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let (own, specifications) = parted(call);
    let given = Call { argv: own, ..*call }.given("DEFKMa:A:", false);
    let read = specifications.iter().map(|text| Wanted::read(text.bytes()));
    let Some(options) = read.collect::<Option<Vec<_>>>() else { return Ok(1) };
    let maps = given.has(b'M');
    let lacks_array = given.value(b'a').is_none() && given.value(b'A').is_none();
    if given.unknown.is_some()
        || options.is_empty()
        || (lacks_array && options.iter().any(|option| option.array.is_none()))
    {
        return Ok(1);
    }
    let Some(mut search) = Search::of(options, maps) else { return Ok(1) };
    let words = walker.state.positional.all().to_vec();
    let Some(rest) = taken(&mut search, &words, given.has(b'E'), given.has(b'F'), walker) else {
        return Ok(1);
    };
    let keeps = given.has(b'K');
    let mut arrays: Vec<&Rc<[u8]>> = Vec::new();
    for array in search.options.iter().filter_map(|option| option.array.as_ref()) {
        if !arrays.contains(&array) && !search.is_other_name(array, maps) {
            arrays.push(array);
        }
    }
    if arrays.iter().any(|array| !walker.state.dialect.is_name(array)) {
        return Err(walker.fatal(call, "this is no name of an array"));
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
        walker.assign_options(name.bytes(), &search, keeps, call)?;
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
                let takes = search.options[option].takes;
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
    /// Puts options and their values into an associative array; the values of one that was met again stand together.
    fn assign_options(
        &mut self,
        name: &[u8],
        search: &Search,
        keeps: bool,
        call: &Call<'_>,
    ) -> Result<(), Stop> {
        if keeps && search.found.is_empty() {
            return Ok(());
        }
        let order: KeyOrder = self.state.dialect.key_order;
        self.state.variables.entry(name).value = Value::Associative(Associative::new(order));
        for (at, (option, called, _)) in search.found.iter().enumerate() {
            let is_same = |(known, ..): &&Found| known == option;
            if search.found[..at].iter().any(|one| is_same(&one)) {
                continue;
            }
            let mut value = self.state.shell_text(b"");
            for (.., part) in search.found[at..].iter().filter(is_same) {
                part.iter().for_each(|part| value.push_text(part));
            }
            let key = match &search.options[*option].name {
                own if called.bytes()[1..] == **own => called.clone(),
                own => self.state.shell_text(&[b"-", &own[..]].concat()),
            };
            self.state.store(name, Some(Key::Text(key)), value, call.span)?;
        }
        Ok(())
    }
}
