//! Which words of its command line an interpreter takes for itself before it finds the program.

use std::ops::Range;

use crate::host::{Named, join};
use crate::receive::runtime::{Dash, Grammar, Runtime, Shape};
use crate::source::Sources;
use crate::text::Text;

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
    let first = if grammar.is_applet && is_behind_name(&argv) { 2 } else { 1 };
    let mut reader = Reader { grammar, argv, at: first, ..Reader::default_of(grammar) };
    let mut read = Ok(());
    if grammar.argument_files {
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

/// Whether the program that is several was called by its own name.
pub(super) fn is_behind_name(argv: &[Text]) -> bool {
    argv.first().is_some_and(|zero| zero.bytes().ends_with(b"busybox"))
}

/// A command line that is being read.
pub(super) struct Reader {
    pub(super) grammar: Grammar,
    pub(super) argv: Vec<Text>,
    pub(super) at: usize,
    pub(super) program: Option<Program>,
    pub(super) before: Option<Text>,
    pub(super) text_operand: bool,
    pub(super) ends: bool,
    pub(super) tells: bool,
    pub(super) exits: bool,
    pub(super) loops: bool,
    pub(super) switches: bool,
    pub(super) behind_dashes: bool,
    pub(super) seen_letters: bool,
    pub(super) folder: Vec<u8>,
    pub(super) extracts: Option<&'static str>,
}

/// Nothing is carried out.
pub(super) type Refusal = Program;

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

    pub(super) fn refused(&self, why: String) -> Refusal {
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
            Some(file) if file.is_empty() && self.grammar.empty_is_input.is_some() => {
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
        !self.grammar.argument_files || bytes.ends_with(b".java") || bytes.ends_with(b".jar")
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

pub(super) fn shown(text: &Text) -> String {
    String::from_utf8_lossy(text.bytes()).into_owned()
}
