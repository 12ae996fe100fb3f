//! The command: arguments in, renderings out. Everything it shows is computed by `fizzet-core`.

pub mod cli;
pub mod commands;
pub mod contract;
pub mod data;
pub mod failure;
pub mod render;
pub mod scenario;
