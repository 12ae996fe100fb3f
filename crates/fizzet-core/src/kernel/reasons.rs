//! Why nothing is executed, in plain words.

use crate::kernel::Errno;
use crate::kernel::chain::Failure;
use crate::kernel::first_line::NoInterpreter;
use crate::kernel::image::Image;

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
