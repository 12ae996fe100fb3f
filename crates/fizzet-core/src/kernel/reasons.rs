//! Why nothing is executed, in plain words.

use crate::kernel::Errno;
use crate::kernel::chain::Failure;
use crate::kernel::first_line::NoInterpreter;
use crate::kernel::image::Image;
use crate::kernel::limits::{self, Excess};

/// Why an interpreter is not executed.
pub(super) fn interpreter_refused(interpreter: &[u8], script: &[u8], why: &str) -> String {
    let script = String::from_utf8_lossy(script);
    let hint = match interpreter {
        [] => "; there is no name behind #!",
        [.., b'\r'] => {
            "; its name ends in a carriage return: the file has the line ends of another system"
        }
        [b'/', ..] => "",
        _ => "; a relative name counts from the current folder, and PATH is not searched",
    };
    format!("it is the interpreter that {script} names: {why}{hint}")
}

/// Why a file that begins with `#!` has no interpreter.
pub(super) fn no_interpreter(path: &[u8], why: NoInterpreter) -> Failure {
    let why = match why {
        NoInterpreter::NoMark => "it does not begin with #!",
        NoInterpreter::Blank => "there is no name behind #!",
        NoInterpreter::Cut => {
            "the name of the interpreter does not end in the first 255 bytes, which are all that the \
             kernel looks at"
        }
    };
    Failure { errno: Errno::ENOEXEC, path: path.to_vec(), why: why.into(), place: None }
}

/// What a file is that the kernel does not know.
pub(super) fn unknown(path: Vec<u8>, image: &Image) -> Failure {
    let why = match image {
        Image::Empty => "the file is empty",
        Image::Foreign => "it is a program for another machine",
        _ => "it is no program that the kernel knows, and it does not begin with #!",
    };
    Failure { errno: Errno::ENOEXEC, path, why: why.into(), place: None }
}

/// What does not fit, by how much, and how many calls would carry it.
pub(super) fn too_much(
    excess: Excess,
    arguments: usize,
    stack: u64,
    needed: Option<usize>,
) -> String {
    let calls = match needed {
        Some(calls) => format!("; {calls} calls would carry the arguments"),
        None => String::new(),
    };
    match excess {
        Excess::One { index, bytes } => {
            let which = match index.checked_sub(arguments) {
                None => format!("argument [{index}]"),
                Some(variable) => format!("variable {variable} of the environment"),
            };
            let over = bytes - limits::MOST_OF_ONE;
            format!("{which} takes {bytes} bytes with its NUL, {over} more than one string may")
        }
        Excess::All { bytes, limit } => format!(
            "strings and pointers take {bytes} bytes, {} more than the limit of {limit} (a quarter of \
                 the stack limit of {stack}, at least 128 KiB and at most 6 MiB){calls}",
            bytes - limit
        ),
        Excess::Stack { bytes, limit } => format!(
            "the strings take {bytes} bytes, {} more than the stack limit of {limit} has room for{calls}",
            bytes - limit
        ),
    }
}
