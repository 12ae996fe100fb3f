//! What is told of a runtime: how it reads its command line, and under which names a program finds the
//! vector.

use crate::receive::decode::Decode;
use crate::receive::read::Access;

/// A language's runtime.
#[derive(Debug)]
pub struct Runtime {
    /// Its name here.
    pub name: &'static str,
    /// What people call it.
    pub title: &'static str,
    /// The names of the programs that are it; digits and dots may stand behind them.
    pub programs: &'static [&'static str],
    /// A launch of the honey press, without its arguments.
    pub sample: &'static [&'static str],
    /// How it reads its command line; nothing where the program receives the vector itself.
    pub grammar: Option<Grammar>,
    /// Counts and names of the program, in the order in which they are told.
    pub heads: &'static [Head],
    /// The name of an argument, with `{}` in place of its index.
    pub element: &'static str,
    /// The index of the first argument.
    pub first: usize,
    /// Whether a null pointer stands behind the last argument.
    pub null: bool,
    /// What becomes of the bytes.
    pub decode: Decode,
    /// How an argument is read, as a rule.
    pub access: Access,
    /// The language whose conversions are its own; for a shell the shell whose rules count.
    pub language: &'static str,
    /// Whether it is told of only where it is named: another row stands for it.
    pub is_alone: bool,
    /// A sentence that people need to know, with its evidence.
    pub remark: &'static str,
}

/// Something that is told besides the arguments.
#[derive(Clone, Copy, Debug)]
pub enum Head {
    /// How many there are: a name, and what is added to the number of arguments.
    Count(&'static str, i64),
    /// The program.
    Program(&'static str),
    /// The interpreter.
    Interpreter(&'static str),
}

/// How an interpreter reads its command line.
#[derive(Clone, Copy, Debug)]
pub struct Grammar {
    /// What a word of options looks like.
    pub shape: Shape,
    /// Letters, or whole words between blanks, that take nothing.
    pub plain: &'static str,
    /// The other options.
    pub flags: &'static [Flag],
    /// Names of whole words, a line each: `=` behind one that takes a value, `:` behind
    /// one that takes it behind `=` alone, `?` behind one that may.
    pub names: &'static [&'static str],
    /// Whether long options have to stand before letters.
    pub long_first: bool,
    /// What becomes of an option that it does not know.
    pub unknown: Unknown,
    /// The status with which it refuses its own options, where that is always the same.
    pub refuses: Option<u8>,
    /// The status where the program's file is not there.
    pub missing: u8,
    /// What a lone dash is.
    pub dash: Dash,
    /// Whether the program's text ends the options.
    pub text_ends: bool,
    /// Whether words behind `--` may still begin with the program.
    pub program_behind_dashes: bool,
    /// Whether the first operand is the text of the program, where no option names one.
    pub text_is_operand: bool,
    /// The status where there is no program; nothing where standard input is it.
    pub without: Option<u8>,
    /// The name of the program where an empty name stands for standard input; nothing where it does not.
    pub empty_is_input: Option<Name>,
    /// Whether files of arguments are read into the command line.
    pub argument_files: bool,
    /// Whether the program is a word behind a program that is several.
    pub is_applet: bool,
    /// Whether long options may be cut short.
    pub abbreviates: bool,
    /// The name of a program whose text was given.
    pub text_name: Name,
    /// The name of a program that is read from standard input unasked.
    pub input_name: Name,
    /// The name of a program in a file.
    pub file_name: Name,
    /// Endings that the name of a file may do without.
    pub endings: &'static [&'static str],
    /// Whether all words are arguments where no file is named.
    pub keeps_all_without_file: bool,
}

/// What a word of options looks like.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Shape {
    /// Letters behind one dash, several in one word.
    Letters,
    /// Letters behind a dash or a plus sign.
    SignedLetters,
    /// Each word is one option.
    Words,
    /// One option and its value, and only before a file.
    OnePair,
}

/// An option.
#[derive(Clone, Copy, Debug)]
pub struct Flag {
    /// Its letter, or its whole word with the dashes; a `*` at the end stands for anything.
    pub name: &'static str,
    /// What it takes.
    pub takes: Takes,
    /// What it does.
    pub does: Does,
}

/// What an option takes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Takes {
    /// Nothing.
    Nothing,
    /// The rest of the word, or else the next word; behind a long option `=` and a value.
    Value,
    /// The same, but not a next word that begins with a dash.
    ValueWithoutDash,
    /// The next word.
    Next,
    /// The next word, if there is one.
    NextIfAny,
    /// The rest of the word, if any.
    Rest,
    /// The rest of the word, which has to be there.
    Attached,
    /// Those of these characters that follow.
    Among(&'static str),
    /// What follows of an octal number, or of a hexadecimal one behind `x`.
    Number,
}

/// What an option does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Does {
    /// Something that does not change who receives what.
    Sets,
    /// Its value is the text of the program.
    Text,
    /// Its value is a text that is carried out first; it is the program where no file is named.
    TextBefore,
    /// Its value is the file of the program.
    File,
    /// Its value is the file of the program, and what follows are arguments.
    LastFile,
    /// The next word is the file of the program, and what follows are arguments.
    LastFileBehind,
    /// Its value is the name of a module.
    Module,
    /// The first operand is the text of the program; the second one is its name.
    TextOperand,
    /// The program is read from standard input.
    Input,
    /// It tells something and ends.
    Exits,
    /// It tells something, and ends where no program follows.
    Tells,
    /// What it does is said by the start of its value.
    ByValue(&'static [(&'static str, Does)]),
    /// The program is carried out for each line of its input.
    Loops,
    /// The program takes arguments with a dash for switches.
    Switches,
    /// The program is the part of its file behind a `#!` line with this word in it.
    Extracts(&'static str),
    /// Its value is a folder that is gone to first.
    Folder,
    /// Its value is an assignment, whose name has to be one.
    Assigns,
    /// Its value is one of these names.
    OneOf(&'static str),
    /// Options end.
    Ends,
}

/// What becomes of an option that the interpreter does not know.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Unknown {
    /// It is refused.
    Refused,
    /// It is passed over.
    Ignored,
    /// It is the first argument, where the program is known already; otherwise it is refused.
    Argument,
}

/// What a lone dash is.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Dash {
    /// The program comes from standard input, and this is its name.
    Input,
    /// The end of the options.
    Ends,
    /// A word like any other.
    Word,
}

/// The name that a program finds itself under.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Name {
    /// This text.
    Fixed(&'static str),
    /// The name as it was given.
    Given,
    /// The name of the interpreter as it was called.
    Interpreter,
    /// The last part of that.
    InterpreterBase,
    /// The whole path of the file.
    WholePath,
    /// There is none.
    Absent,
}

impl Runtime {
    /// The runtime that a program is, by the last part of its path; `args` tells `busybox` what it is.
    pub fn of_program(path: &[u8], args: &[&[u8]]) -> Option<&'static Runtime> {
        let base = path.rsplit(|&byte| byte == b'/').next()?;
        let stem = base.trim_ascii_end();
        let end = stem.iter().rposition(|byte| !byte.is_ascii_digit() && *byte != b'.')?;
        let stem = &stem[..=end];
        let is = |name: &str| name.as_bytes() == base || name.as_bytes() == stem;
        if is("busybox") {
            let applet = args.first()?;
            return matches!(*applet, b"sh" | b"ash").then(|| Runtime::named("busybox")).flatten();
        }
        crate::receive::table::RUNTIMES.iter().find(|one| one.programs.iter().any(|name| is(name)))
    }

    /// The runtime of this name.
    pub fn named(name: &str) -> Option<&'static Runtime> {
        crate::receive::table::RUNTIMES.iter().find(|one| one.name == name)
    }

    /// The name of the argument at an index of its own counting.
    pub fn element_name(&self, index: usize) -> String {
        match self.element {
            // Two digits need braces in a shell.
            "${}" if index > 9 => format!("${{{index}}}"),
            element => element.replace("{}", &index.to_string()),
        }
    }
}
