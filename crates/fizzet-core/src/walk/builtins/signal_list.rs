//! All signals, as `kill -l` and `trap -l` of each shell list them (Linux signal numbers; observed in all six).

use crate::dialect::SignalList;
use crate::walk::builtins::trap::SIGNALS;

/// The lowest and the highest of the signals for real time.
const REAL_TIME: (usize, usize) = (34, 64);

/// What the system calls the signals, from 1.
const DESCRIPTIONS: [&str; 31] = [
    "Hangup",
    "Interrupt",
    "Quit",
    "Illegal instruction",
    "Trace/breakpoint trap",
    "Aborted",
    "Bus error",
    "Floating point exception",
    "Killed",
    "User defined signal 1",
    "Segmentation fault",
    "User defined signal 2",
    "Broken pipe",
    "Alarm clock",
    "Terminated",
    "Stack fault",
    "Child exited",
    "Continued",
    "Stopped (signal)",
    "Stopped",
    "Stopped (tty input)",
    "Stopped (tty output)",
    "Urgent I/O condition",
    "CPU time limit exceeded",
    "File size limit exceeded",
    "Virtual timer expired",
    "Profiling timer expired",
    "Window changed",
    "I/O possible",
    "Power failure",
    "Bad system call",
];

/// The list of all signals; nothing where the shell leaves its form open.
pub(super) fn all_signals(list: SignalList) -> Option<String> {
    Some(match list {
        SignalList::Open => return None,
        SignalList::Columns => columns(),
        SignalList::Lines => {
            let others = |number| match number {
                16 | 32 | 33 => number.to_string(),
                number => name(number),
            };
            lines(std::iter::once("0".into()).chain((1..=REAL_TIME.1).map(others)))
        }
        SignalList::Numbered => lines(
            (1..=SIGNALS.len()).map(|number| format!("{number:2}) {}", in_input_output(number))),
        ),
        SignalList::OldNames => {
            let others = |number| match number {
                32 | 33 => format!("SIG{number}"),
                number => old_name(number),
            };
            lines((1..=REAL_TIME.1).map(others))
        }
        SignalList::Described => described(),
        SignalList::OneLine => {
            let names: Vec<_> = (1..=SIGNALS.len()).map(old_name).collect();
            names.join(" ") + "\n"
        }
    })
}

fn lines(all: impl Iterator<Item = String>) -> String {
    all.map(|one| one + "\n").collect()
}

/// The name of a signal, with those for real time counted from the nearer end.
fn name(number: usize) -> String {
    let (lowest, highest) = REAL_TIME;
    match number {
        1..=31 => SIGNALS[number - 1].into(),
        number if number == lowest => "RTMIN".into(),
        number if number == highest => "RTMAX".into(),
        number if number <= (lowest + highest) / 2 => format!("RTMIN+{}", number - lowest),
        number => format!("RTMAX-{}", highest - number),
    }
}

/// The same with POLL for IO.
fn in_input_output(number: usize) -> String {
    if number == 29 { "POLL".into() } else { name(number) }
}

/// The same with IOT for ABRT.
fn old_name(number: usize) -> String {
    if number == 6 { "IOT".into() } else { in_input_output(number) }
}

/// Five in a line, with tabs between.
fn columns() -> String {
    let numbers = (1..=SIGNALS.len()).chain(REAL_TIME.0..=REAL_TIME.1);
    let mut made = String::new();
    for (at, number) in numbers.enumerate() {
        let ends_line = at % 5 == 4;
        made += &format!("{number:2}) SIG{}{}", name(number), if ends_line { "\n" } else { "\t" });
    }
    if !made.ends_with('\n') {
        made.push('\n');
    }
    made
}

/// Two halves beside each other, with what the system says of each signal.
fn described() -> String {
    let one = |number: usize| match number {
        1..=31 => (in_input_output(number), DESCRIPTIONS[number - 1].to_string()),
        number => (number.to_string(), format!("Signal {number}")),
    };
    let half = REAL_TIME.1 / 2;
    lines((1..=half).map(|number| {
        let ((left, says), (right, also)) = (one(number), one(number + half));
        let width = 1 + DESCRIPTIONS.iter().map(|text| text.len()).max().unwrap_or_default();
        format!("{number:2} {left:>6} {says:width$}     {:2} {right:>6} {also}", number + half)
    }))
}
