//! Inside the receiver: what each language's runtime makes of the vector.
//!
//! - [`runtime`]: what is told of a runtime; [`table`]: all of them, a row each
//! - [`start`]: which words an interpreter takes for itself before it finds the program
//! - [`read`]: what becomes of reading an argument that is not there
//!   (one word of options: `flags`)
//! - [`view`]: the names and values that the program sees
//! - [`contract`]: declared usages and option grammars
//! - [`convert`]: texts as numbers
//! - [`argfile`]: the files of arguments that the launcher of Java reads
//! - [`decode`]: bytes as the strings of a language

pub mod argfile;
pub mod contract;
pub mod convert;
pub mod decode;
mod flags;
pub mod read;
pub mod runtime;
mod shells;
pub mod start;
pub mod table;
pub mod view;
