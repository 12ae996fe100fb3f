//! Truth to check Fizzet against: a folder of the honey co-op, the real shells started in it, what
//! was recorded from them, and what the core predicts for the same line.
//!
//! Nothing here is part of the product; the suites and `cargo xtask record` use it.

pub mod calls;
pub mod conversions;
pub mod kernel;
pub mod listed;
mod origins;
mod outcome;
mod place;
pub mod reads;
mod real;
pub mod receivers;
mod recorded;

pub use origins::origin_mistakes;
pub use outcome::{Outcome, Vector, argument_bytes};
pub use place::{PROGRAMS, Place};
pub use real::{find, version};
pub use recorded::{Case, Got, known_differences, lines, read, topics, write};

/// The words that every line gets as `$1`, `$2` and `$3`.
pub const ARGUMENTS: [&[u8]; 3] = [b"lime honey", b"", b"-x"];

/// Whether commands of a line run at the same time, so that what they pass on comes in no order.
pub fn is_in_no_order(line: &str) -> bool {
    [" |", " & ", "&>", "coproc ", ">("].iter().any(|sign| line.contains(sign))
}

/// A line with a last command behind it that tells whether the shell got that far, and `$?`.
pub fn with_end(line: &str) -> String {
    format!("{line}\nhive end $?")
}
