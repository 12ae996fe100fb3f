//! Shell text to tree: one grammar, with switches from the dialect table.
//!
//! The parser reads bytes directly, since what a byte means depends on what is being read; it never
//! looks at a value. Recursion is bounded by [`MAX_DEPTH`].

mod alias;
mod ansi_c;
pub mod arithmetic;
mod assignments;
pub mod ast;
mod commands;
mod compound;
mod condition;
mod constants;
mod coprocesses;
mod counted;
mod cursor;
mod definitions;
mod dollar;
mod error;
pub(crate) mod expression;
mod flagged;
pub(crate) mod functions;
mod index_text;
mod lists_in_substitutions;
mod marked;
mod members;
mod modifiers;
mod numeral;
mod operands;
mod operations;
mod operators;
mod parameter;
mod pipelines;
mod quotes;
mod redirect;
mod short;
mod signs;
mod slashes;
mod strict_braces;
mod unquoted;
mod vanishing;
mod within;
mod words;

pub use alias::{Alias, AliasCounts, Aliases};
pub(crate) use ansi_c::{Octal, decode as decode_escapes, decode_value};
pub(crate) use ansi_c::{encoded, numbered};
pub(crate) use assignments::assignment_of;
pub(crate) use coprocesses::DEFAULT_NAME;
pub use cursor::{MAX_DEPTH, Parser};
pub(crate) use cursor::{Parsed, is_name, is_name_byte};
pub use error::{SyntaxError, SyntaxErrorKind};
pub(crate) use flagged::search_flags_of;
pub(crate) use index_text::{Anew, ENDS_ELSEWHERE, is_index_text, read_anew};
pub(crate) use marked::{Marking, has_expansions, has_marks, unmarked};
pub(crate) use operations::{OPEN_BRACKET, has_open_bracket};
