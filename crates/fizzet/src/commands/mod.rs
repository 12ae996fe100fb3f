//! The subcommands, a file each.

pub mod demo;
pub mod line;
pub mod receive;
