//! `fizzet`: which argument vector a program receives, and why.

use std::ffi::OsString;
use std::os::unix::ffi::OsStrExt;
use std::process::ExitCode;

use clap::Parser;
use fizzet::cli::{Cli, Command};
use fizzet::commands::{accept, demo, exec, line, outline, receive, shebang, spread, view, walk};
use fizzet::failure::Failure;

fn main() -> ExitCode {
    let arguments: Vec<OsString> = std::env::args_os().collect();
    let outcome = match receive::as_a_program(&arguments) {
        Some(vector) => receive::under_another_name(vector),
        None => match parsed(arguments) {
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

/// How many words the parser is shown. Options stand before the operands, so that where it has found
/// operands among these, all words behind them are operands too, and need not be looked at one by one.
const SHOWN: usize = 500;

/// What the words of the command line ask for.
fn parsed(mut arguments: Vec<OsString>) -> Result<Cli, clap::Error> {
    if arguments.len() > SHOWN
        && let Ok(mut cli) = Cli::try_parse_from(&arguments[..SHOWN])
    {
        let operands = match &mut cli.command {
            Command::Line(options) => Some(&mut options.operands),
            Command::Walk(options) => Some(&mut options.operands),
            Command::View(options) => Some(&mut options.arguments),
            Command::Accept(options) => Some(&mut options.operands),
            _ => None,
        };
        if let Some(operands) = operands.filter(|operands| !operands.is_empty()) {
            operands.extend(arguments.drain(SHOWN..));
            return Ok(cli);
        }
    }
    Cli::try_parse_from(arguments)
}

fn run(cli: Cli) -> Result<u8, Failure> {
    match cli.command {
        Command::Line(options) => line::run(options),
        Command::Walk(options) => walk::run(options),
        Command::Spread(options) => spread::run(options),
        Command::Outline(options) => outline::run(options),
        Command::Exec(options) => exec::run(options),
        Command::Shebang(options) => shebang::run(options),
        Command::View(options) => view::run(options),
        Command::Accept(options) => accept::run(options),
        Command::Receive(options) => {
            let zero = std::env::args_os().next().unwrap_or_default();
            receive::as_a_command(options, zero.as_bytes().to_vec())
        }
        Command::Demo(options) => demo::run(options),
    }
}
