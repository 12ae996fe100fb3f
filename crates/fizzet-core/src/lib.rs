//! The core of Fizzet: text in, traces out.
//!
//! From the ground up, and arrows point downwards only:
//!
//! - [`source`]: texts and places in them; [`lineage`]: why a byte is there; [`mod@text`]: bytes that know it
//! - [`syntax`]: shell text to tree
//! - [`dialect`]: what each shell does differently, as one table
//! - [`host`]: what the core asks of the outside world
//! - [`state`]: variables, positional parameters and options of a shell
//! - [`expand`]: words to fields, a file a stage
//! - [`walk`]: the evaluator; [`compare`]: which rules make two shells differ
//! - [`kernel`]: `#!` lines, hops, the search of PATH, errors of exec
//! - [`receive`]: what each language's runtime makes of a vector; conversions; contracts
//! - [`notes`]: traps found in a trace
//! - [`trace`]: the results that every renderer reads
#![forbid(unsafe_code)]

pub mod compare;
pub mod definition;
pub mod dialect;
pub mod expand;
pub mod hexadecimal;
pub mod host;
pub mod kernel;
pub mod lineage;
pub mod notes;
pub mod outline;
mod packed;
pub mod real;
pub mod receive;
pub mod source;
pub mod spread;
pub mod state;
pub mod stop;
pub mod syntax;
pub mod text;
pub mod trace;
pub mod walk;
