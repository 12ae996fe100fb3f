//! `fizzet`: which argument vector a program receives, and why.

use std::ffi::OsString;
use std::os::unix::ffi::OsStrExt;
use std::process::ExitCode;

use clap::Parser;
use fizzet::cli::{Cli, Command};
use fizzet::commands::{demo, line, outline, receive, spread, walk};
use fizzet::failure::Failure;

fn main() -> ExitCode {
    let arguments: Vec<OsString> = std::env::args_os().collect();
    let outcome = match receive::as_a_program(&arguments) {
        Some(vector) => receive::under_another_name(vector),
        None => match Cli::try_parse_from(&arguments) {
            Ok(cli) => run(cli),
            Err(error) => Err(Failure::Usage(error)),
        },
    };
    match outcome {
        Ok(status) => ExitCode::from(status),
        Err(Failure::ClosedPipe) => ExitCode::SUCCESS,
        Err(failure) => ExitCode::from(failure.report()),
    }
}

fn run(cli: Cli) -> Result<u8, Failure> {
    match cli.command {
        Command::Line(options) => line::run(options),
        Command::Walk(options) => walk::run(options),
        Command::Spread(options) => spread::run(options),
        Command::Outline(options) => outline::run(options),
        Command::Receive(options) => {
            let zero = std::env::args_os().next().unwrap_or_default();
            receive::as_a_command(options, zero.as_bytes().to_vec())
        }
        Command::Demo(options) => demo::run(options),
    }
}
