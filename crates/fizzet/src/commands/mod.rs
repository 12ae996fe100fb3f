//! The subcommands, a file each.

pub mod accept;
mod all;
pub mod demo;
mod evaluation;
pub mod exec;
pub mod line;
pub mod outline;
pub mod prove;
pub mod receive;
pub mod shebang;
pub mod spread;
pub mod view;
pub mod walk;
