//! What the kernel makes of a file that is to be executed: `#!` lines, hops, errors.
//!
//! - [`first_line`]: the `#!` line, byte by byte as Linux reads it
//! - [`image`]: what the first block of a file says it is
//! - [`chain`]: from a path and a vector to the program that starts, through every `#!`
//! - [`call`]: a call of the exec family, read from C text; [`exec`]: what comes of it
//! - [`mod@env`]: what `env` on a `#!` line makes of its one argument
//! - [`limits`]: how much an exec may hand over; [`memory`]: the picture of a new process's stack
//! - [`path`]: the search of `PATH`, as `execvp` of glibc does it
//! - [`remarks`]: what people should know about a way
//! - [`fallback`]: who runs a file that the kernel does not know, and how
//! - [`systems`]: the rules of other kernels for the same line

pub mod call;
pub mod chain;
pub mod env;
pub mod errno;
pub mod exec;
pub mod fallback;
pub mod first_line;
pub mod image;
pub mod limits;
pub mod memory;
pub mod path;
mod reasons;
pub mod remarks;
pub mod systems;

pub use chain::{End, Failure, Hop, HopKind, Launch};
pub use errno::Errno;
