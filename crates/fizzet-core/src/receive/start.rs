//! Which words of its command line an interpreter takes for itself before it finds the program.

use std::ops::Range;

use crate::host::{Named, join};
use crate::lineage::{Origin, Rule};
use crate::receive::argfile;
use crate::receive::runtime::{Dash, Does, Flag, Grammar, Runtime, Shape, Takes, Unknown};
use crate::source::{SourceKind, Sources, Span};
use crate::text::{Standing, Text};

/// The program that an interpreter carries out.
#[derive(Clone, Debug)]
pub enum Program {
    /// A file: the index of the word that names it, and its name.
    File(usize, Text),
    /// A text that was given, and which name it has, if one was given too.
    Text(Text, Option<Text>),
    /// A module.
    Module(Text),
    /// Standard input; whether a dash asked for it.
    Input(Option<Text>),
    /// None of these: it is the program itself that received the vector.
    Itself,
    /// Nothing is carried out: with which status it ends, where that is known, and why.
    Nothing(Option<u8>, String),
}

/// A command line as the interpreter reads it.
#[derive(Clone, Debug)]
pub struct Started {
    /// The vector; files of arguments are read into it.
    pub argv: Vec<Text>,
    /// The program.
    pub program: Program,
    /// The arguments of the program, as places in the vector.
    pub arguments: Range<usize>,
    /// Arguments that the interpreter takes for switches of the program.
    pub switches: Range<usize>,
    /// Whether the program is carried out for each line of its input: arguments are files then.
    pub loops: bool,
}

impl Started {
    /// The words that the interpreter keeps: its options and their values, and the program.
    pub fn taken(&self) -> Range<usize> {
        match self.program {
            Program::Itself => 0..0,
            _ => 1..self.arguments.start.min(self.switches.start).max(1),
        }
    }
}

/// Reads a command line as a runtime does.
pub fn start(
    runtime: &Runtime,
    argv: Vec<Text>,
    named: &dyn Named,
    sources: &mut Sources,
) -> Started {
    let Some(grammar) = runtime.grammar else {
        let arguments = 1.min(argv.len())..argv.len();
        return Started {
            argv,
            program: Program::Itself,
            switches: arguments.start..arguments.start,
            arguments,
            loops: false,
        };
    };
    let first = if runtime.name == "busybox" && is_busybox(&argv) { 2 } else { 1 };
    let mut reader = Reader { grammar, argv, at: first, ..Reader::default_of(grammar) };
    let mut read = Ok(());
    if runtime.name == "java" {
        read = reader.read_argument_files(named, sources);
    }
    let program = match grammar.shape {
        _ if read.is_err() => read.map(|()| Program::Itself),
        Shape::OnePair => reader.one_pair(),
        _ => reader.options().and_then(|()| reader.program()),
    };
    let program = program.unwrap_or_else(|refusal| refusal);
    reader.finish(program, named)
}

fn is_busybox(argv: &[Text]) -> bool {
    argv.first().is_some_and(|zero| zero.bytes().ends_with(b"busybox"))
}

struct Reader {
    grammar: Grammar,
    argv: Vec<Text>,
    at: usize,
    program: Option<Program>,
    before: Option<Text>,
    text_operand: bool,
    ends: bool,
    tells: bool,
    exits: bool,
    loops: bool,
    switches: bool,
    behind_dashes: bool,
    seen_letters: bool,
    folder: Vec<u8>,
    extracts: Option<&'static str>,
}

type Refusal = Program;

impl Reader {
    fn default_of(grammar: Grammar) -> Reader {
        Reader {
            grammar,
            argv: Vec::new(),
            at: 1,
            program: None,
            before: None,
            text_operand: false,
            ends: false,
            tells: false,
            exits: false,
            loops: false,
            switches: false,
            behind_dashes: false,
            seen_letters: false,
            folder: Vec::new(),
            extracts: None,
        }
    }

    fn refused(&self, why: String) -> Refusal {
        Program::Nothing(self.grammar.refuses, why)
    }

    /// Reads words as long as they are options.
    fn options(&mut self) -> Result<(), Refusal> {
        while !self.ends && self.at < self.argv.len() {
            let word = self.argv[self.at].clone();
            match word.bytes() {
                b"-" => match self.grammar.dash {
                    Dash::Word => break,
                    Dash::Ends => {
                        self.at += 1;
                        break;
                    }
                    Dash::Input if self.program.is_some() => break,
                    Dash::Input => {
                        self.at += 1;
                        self.program = Some(Program::Input(Some(word)));
                        break;
                    }
                },
                [b'-', ..] => {}
                [b'+', _, ..] if self.grammar.shape == Shape::SignedLetters => {}
                _ => break,
            }
            if !self.option(&word)? {
                break;
            }
        }
        match self.exits {
            true => {
                Err(Program::Nothing(Some(0), "an option makes it tell something and end".into()))
            }
            false => Ok(()),
        }
    }

    /// Reads one word of options; answers whether it was one.
    fn option(&mut self, word: &Text) -> Result<bool, Refusal> {
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
        let bare = |name: &[u8]| -> Vec<u8> {
            let name = name.to_ascii_lowercase();
            name.into_iter().filter(|byte| *byte != b'-').collect()
        };
        for line in self.grammar.names.iter().flat_map(|names| names.lines()) {
            let takes_value = line.ends_with(['=', ':']);
            let name = line.trim_end_matches(['=', ':', '?']).as_bytes();
            let is_zsh = !name.starts_with(b"-");
            let negated = plain.strip_prefix(b"--no-").map(|rest| [b"--", rest].concat());
            let is_same = match is_zsh {
                true => {
                    let given = bare(&plain);
                    given == name || given.strip_prefix(b"no").is_some_and(|rest| rest == name)
                }
                false => {
                    plain == name || (!takes_value && negated.is_some_and(|rest| rest == name))
                }
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
            Does::OneOf(_) => {}
            Does::Sets => {}
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

    /// The program, behind the options.
    fn program(&mut self) -> Result<Program, Refusal> {
        let operand = self.argv.get(self.at).cloned();
        if self.text_operand {
            let Some(text) = operand else { return Err(self.refused("-c wants a text".into())) };
            let name = self.argv.get(self.at + 1).cloned();
            self.at += 1 + usize::from(name.is_some());
            return Ok(Program::Text(text, name));
        }
        if let Some(program) = self.program.take() {
            return Ok(program);
        }
        match operand {
            Some(text) if self.grammar.text_is_operand => {
                self.at += 1;
                Ok(Program::Text(text, None))
            }
            Some(_) if self.behind_dashes && !self.grammar.program_behind_dashes => {
                Ok(Program::Input(None))
            }
            Some(file) if file.is_empty() && self.grammar.empty_is_input => {
                self.at += 1;
                Ok(Program::Input(Some(file)))
            }
            Some(file) => {
                self.at += 1;
                Ok(Program::File(self.at - 1, file))
            }
            None if self.before.is_some() => {
                Ok(Program::Text(self.before.take().unwrap_or_default(), None))
            }
            None if self.tells => {
                Err(Program::Nothing(Some(0), "an option makes it tell something and end".into()))
            }
            None => match self.grammar.without {
                Some(status) => Err(Program::Nothing(Some(status), "there is no program".into())),
                None => Ok(Program::Input(None)),
            },
        }
    }

    /// One option with a value may stand before a file; anything else with a dash means that there is no
    /// file (observed in Tcl 8.6).
    fn one_pair(&mut self) -> Result<Program, Refusal> {
        let option = self.grammar.flags.first().map_or("", |flag| flag.name);
        let is_dash = |word: Option<&Text>| word.is_none_or(|word| word.bytes().starts_with(b"-"));
        let has_pair = self.argv.get(1).is_some_and(|word| word.bytes() == option.as_bytes());
        if has_pair && !is_dash(self.argv.get(3)) {
            let mut known = self.grammar.names.iter().flat_map(|names| names.lines());
            let encoding = self.argv[2].clone();
            if !known.any(|name| name.as_bytes() == encoding.bytes()) {
                let why = format!("it does not know the encoding {}", shown(&encoding));
                return Err(Program::Nothing(Some(1), why));
            }
            self.at = 3;
        } else if is_dash(self.argv.get(1)) {
            return Ok(Program::Input(None));
        }
        let file = self.argv[self.at].clone();
        self.at += 1;
        Ok(Program::File(self.at - 1, file))
    }

    /// Files of arguments take the place of the words that name them, up to the class (observed in
    /// OpenJDK 17).
    fn read_argument_files(
        &mut self,
        named: &dyn Named,
        sources: &mut Sources,
    ) -> Result<(), Refusal> {
        let mut at = 1;
        let mut wants_value = false;
        while at < self.argv.len() {
            let word = self.argv[at].bytes().to_vec();
            if word == b"--disable-@files" {
                return Ok(());
            }
            if let [b'@', name @ ..] = &word[..]
                && !name.is_empty()
            {
                if name[0] == b'@' {
                    self.argv[at] = self.argv[at].slice(1, word.len());
                } else {
                    let Some(text) = named.arguments(name) else {
                        let name = String::from_utf8_lossy(name).into_owned();
                        return Err(self.refused(format!("there is no file of arguments {name}")));
                    };
                    let source = sources.of_path(SourceKind::File, name, &text);
                    let origin = Origin::new(Rule::Given, Span::new(source, 0, text.len()));
                    let read = argfile::words(&text);
                    let texts = read
                        .iter()
                        .map(|word| Text::copied(word, Standing::Quoted, origin.clone()));
                    self.argv.splice(at..=at, texts.collect::<Vec<_>>());
                    // What such a file holds is not read as another one.
                    at = self.skip_read(at, read.len(), &mut wants_value);
                    if at == usize::MAX {
                        return Ok(());
                    }
                    continue;
                }
            }
            if self.is_class(at, &mut wants_value) {
                return Ok(());
            }
            at += 1;
        }
        Ok(())
    }

    fn skip_read(&self, from: usize, count: usize, wants_value: &mut bool) -> usize {
        for at in from..from + count {
            if self.is_class(at, wants_value) {
                return usize::MAX;
            }
        }
        from + count
    }

    /// Whether the word at a place is the class: neither an option nor the value of one.
    fn is_class(&self, at: usize, wants_value: &mut bool) -> bool {
        let word = self.argv[at].bytes();
        if std::mem::take(wants_value) {
            return false;
        }
        if !word.starts_with(b"-") {
            return true;
        }
        let flag = self.grammar.flags.iter().find(|flag| flag.name.as_bytes() == word);
        *wants_value = flag.is_some_and(|flag| flag.takes != Takes::Nothing);
        false
    }

    fn finish(self, program: Program, named: &dyn Named) -> Started {
        let mut program = program;
        let mut start = self.at.min(self.argv.len());
        let all = self.grammar.keeps_all_without_file
            && matches!(program, Program::Text(..) | Program::Input(None));
        if all {
            start = 1.min(self.argv.len());
        }
        if let Program::File(_, file) = &program
            && let Some(refusal) = self.unreadable(file, named)
        {
            program = refusal;
        } else if let (Some(word), Program::Text(..)) = (self.extracts, &program) {
            program = Program::Nothing(None, format!("there is no #! line with {word} in it"));
        }
        let mut switches = start..start;
        if self.switches {
            switches = self.switches_behind(start);
            start = switches.end;
        }
        let arguments = start..self.argv.len();
        Started { argv: self.argv, program, arguments, switches, loops: self.loops }
    }

    /// Why the program's file cannot be carried out, if so.
    fn unreadable(&self, file: &Text, named: &dyn Named) -> Option<Program> {
        if !self.names_a_file(file) {
            return None;
        }
        let path = join(&self.folder, file.bytes());
        let endings = self.grammar.endings.iter().map(|one| [&path[..], one.as_bytes()].concat());
        if file.is_empty()
            || !(named.is_there(&path) || endings.into_iter().any(|path| named.is_there(&path)))
        {
            // An empty name has an error of its own in some.
            let status = Some(self.grammar.missing).filter(|_| !file.is_empty());
            return Some(Program::Nothing(status, format!("there is no {}", shown(file))));
        }
        let word = self.extracts?;
        let text = named.arguments(&path)?;
        let begins = |line: &[u8]| {
            line.starts_with(b"#!") && line.windows(word.len()).any(|part| part == word.as_bytes())
        };
        let is_there = text.split(|&byte| byte == b'\n').any(begins);
        (!is_there)
            .then(|| Program::Nothing(None, format!("there is no #! line with {word} in it")))
    }

    /// Whether the first operand is a path, rather than the name of a class.
    fn names_a_file(&self, file: &Text) -> bool {
        let bytes = file.bytes();
        let is_java = self.grammar.shape == Shape::Words && self.grammar.dash == Dash::Word;
        !is_java || bytes.ends_with(b".java") || bytes.ends_with(b".jar")
    }

    /// Arguments that begin with a dash, up to `--`, are switches of the program.
    fn switches_behind(&self, start: usize) -> Range<usize> {
        let words = &self.argv[start..];
        let is_switch = |word: &&Text| word.bytes().starts_with(b"-") && word.bytes() != b"-";
        let mut count = 0;
        for word in words.iter().take_while(is_switch) {
            count += 1;
            if word.bytes() == b"--" {
                break;
            }
        }
        start..start + count
    }
}

/// Whether a text begins with a name and `=`.
fn is_assignment(text: &[u8]) -> bool {
    let name = text.split(|&byte| byte == b'=').next().unwrap_or_default();
    let starts = name.first().is_some_and(|&byte| byte.is_ascii_alphabetic() || byte == b'_');
    starts
        && name.len() < text.len()
        && name.iter().all(|&byte| byte.is_ascii_alphanumeric() || byte == b'_')
}

fn prefix(bytes: &[u8], belongs: impl Fn(&u8) -> bool) -> usize {
    bytes.iter().take_while(|byte| belongs(byte)).count()
}

fn shown(text: &Text) -> String {
    String::from_utf8_lossy(text.bytes()).into_owned()
}
