//! What the usual access does when an argument is not there.

use crate::receive::view::View;
use crate::text::Text;

/// How a language reads an argument, and what it does where there is none.
#[derive(Clone, Copy, Debug)]
pub struct Access {
    /// How it is written, with `{}` in place of the index.
    pub form: &'static str,
    /// What happens where there is none.
    pub absent: Absent,
}

/// What happens where there is no such argument.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Absent {
    /// The text is empty.
    Empty,
    /// There is a value for nothing, of this name.
    Nothing(&'static str),
    /// The program fails with this error: its name, its message with `{index}` and `{length}`, the status.
    Fails(&'static str, &'static str, u8),
    /// A null pointer stands behind the last argument, and behind that come the strings of the
    /// environment: the error at the null pointer, and the signal.
    Pointer(&'static str, &'static str),
}

/// What comes of reading an argument.
#[derive(Clone, Debug)]
pub enum Got {
    /// Its text.
    Text(Text),
    /// A text that is empty, though there is no argument.
    Empty,
    /// A value for nothing, of this name.
    Nothing(&'static str),
    /// The program fails: the error's name, its message, the status.
    Fails(&'static str, String, u8),
    /// The program is killed at a null pointer: the name of what kills it, and why.
    Killed(&'static str, &'static str),
    /// A string of the environment is taken for an argument: its number, counted from 0.
    Environment(usize),
    /// What stands there is no string: anything can happen.
    Chance,
}

/// What was read.
#[derive(Clone, Debug)]
pub struct Reading {
    /// The number of the argument, counted from 1.
    pub number: usize,
    /// How it is written.
    pub form: String,
    /// What came of it.
    pub got: Got,
}

impl Reading {
    /// Whether the program goes on behind it.
    pub fn goes_on(&self) -> bool {
        !matches!(self.got, Got::Fails(..) | Got::Killed(..) | Got::Chance)
    }

    /// Whether there was an argument to read.
    pub fn is_there(&self) -> bool {
        matches!(self.got, Got::Text(_))
    }
}

/// Reads an argument by its number, counted from 1; `strings` is how many strings the environment has.
pub fn read(view: &View, number: usize, strings: usize) -> Reading {
    let access = view.runtime.access;
    let index = view.first + number - 1;
    let form = match access.form {
        // Two digits need braces in a shell.
        "\"${}\"" if index > 9 => format!("\"${{{index}}}\""),
        form => form.replace("{}", &index.to_string()),
    };
    let got = match (view.arguments.get(number - 1), access.absent) {
        // All of them are turned into text before one is read.
        _ if view.arguments.iter().any(|one| one.is_refused(view.runtime)) => {
            Got::Fails("panic", "an argument is not UTF-8".into(), 101)
        }
        (Some(argument), _) => Got::Text(argument.text.clone()),
        (None, Absent::Empty) => Got::Empty,
        (None, Absent::Nothing(name)) => Got::Nothing(name),
        (None, Absent::Fails(name, message, status)) => {
            let length = view.arguments.len() + view.first;
            let message = message.replace("{index}", &index.to_string());
            Got::Fails(name, message.replace("{length}", &length.to_string()), status)
        }
        (None, Absent::Pointer(error, signal)) => {
            let beyond = number - 1 - view.arguments.len();
            match beyond {
                0 => Got::Killed(signal, error),
                beyond if beyond <= strings => Got::Environment(beyond - 1),
                beyond if beyond == strings + 1 => Got::Killed(signal, error),
                _ => Got::Chance,
            }
        }
    };
    Reading { number, form, got }
}

/// Reads so many arguments one after the other, up to where the program ends.
pub fn read_all(view: &View, count: usize, strings: usize) -> Vec<Reading> {
    let mut readings = Vec::new();
    for number in 1..=count {
        let reading = read(view, number, strings);
        let goes_on = reading.goes_on();
        readings.push(reading);
        if !goes_on {
            break;
        }
    }
    readings
}
