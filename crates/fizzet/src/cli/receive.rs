//! Options of the commands that look from inside the program that received the vector.

use std::ffi::OsString;

use clap::builder::PossibleValuesParser;
use clap::{Args, ValueEnum};
use fizzet_core::receive::table::RUNTIMES;

use crate::cli::{EvaluationOptions, OutputOptions};

/// Which kind of number a text should be.
#[derive(Clone, Copy, PartialEq, Eq, Debug, ValueEnum)]
pub enum As {
    /// A whole number
    Int,
    /// A real number
    Float,
}

/// Options of `view`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet view 'lime honey' '' heather
  fizzet view --runtime python 'lime honey' heather
  fizzet view --launch 'python3 -u press.py \"$1\" *.txt' 'lime honey'
  fizzet view --read 3 'lime honey' heather
  fizzet view --read-all 3 --runtime java 'lime honey'
  fizzet view --as int 12abc 0x1f ' 7'
  fizzet view --as float --runtime c 1e400 0x1p3
  fizzet view --prove 'lime honey' '' heather

Nothing is run but with --prove: it builds and runs one tiny receiver a language in a temporary
folder, those whose runtimes are here, and shows what each really saw. With --launch the ARGs are
$1, $2 ... of the line.")]
pub struct ViewOptions {
    /// A typed line that launches the program, in place of one launch a runtime
    #[arg(long, value_name = "LINE", conflicts_with_all = ["prove", "runtime"])]
    pub launch: Option<OsString>,
    /// One runtime alone
    #[arg(long, value_name = "NAME", hide_possible_values = true, value_parser = runtime_parser(),
        help = runtime_help())]
    pub runtime: Option<String>,
    /// Read argument N, counted from 1, in each language's usual way
    #[arg(long, value_name = "N", value_parser = clap::value_parser!(u32).range(1..))]
    pub read: Option<u32>,
    /// Read so many arguments, one after the other
    #[arg(long, value_name = "COUNT", value_parser = clap::value_parser!(u32).range(1..=10_000))]
    pub read_all: Option<u32>,
    /// What the usual conversions make of each argument: int, float
    #[arg(
        long = "as",
        value_enum,
        value_name = "TYPE",
        value_delimiter = ',',
        hide_possible_values = true
    )]
    pub conversions: Vec<As>,
    /// Run a receiver in each language that is here, and compare
    #[arg(long)]
    pub prove: bool,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub evaluation: EvaluationOptions,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The arguments (an ARG may begin with -)
    #[arg(value_name = "ARG", num_args = 0.., trailing_var_arg = true, allow_hyphen_values = true)]
    pub arguments: Vec<OsString>,
}

fn runtime_parser() -> PossibleValuesParser {
    PossibleValuesParser::new(RUNTIMES.iter().map(|runtime| runtime.name))
}

fn runtime_help() -> String {
    let names: Vec<&str> = RUNTIMES.iter().map(|runtime| runtime.name).collect();
    format!("One runtime alone: {}", names.join(", "))
}

/// Options of `accept`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet accept press.toml -w 250 'lime honey' heather
  fizzet accept --format json press.toml --weight=heavy
  fizzet accept --from-line --var jar='lime honey' press.toml 'press $jar'
  fizzet accept --usage press.toml
  fizzet accept --draft press.sh > press.toml

A contract is a TOML file; README.md tells its keys. With --from-line the first ARG is a typed
line, and the ones behind it are its $1, $2 ...; with --draft the operand is a script.
Exit status: 0 the vector satisfies the contract; 1 it does not.")]
pub struct AcceptOptions {
    /// The first ARG is a typed line: hold the vector of its last program against the contract
    #[arg(long, conflicts_with = "draft")]
    pub from_line: bool,
    /// Write a first contract from the script's own checks: tests of $#, getopts, parameters used
    #[arg(long)]
    pub draft: bool,
    /// Print the usage and help text that the contract makes, and nothing else
    #[arg(long, conflicts_with_all = ["draft", "from_line"])]
    pub usage: bool,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub evaluation: EvaluationOptions,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The contract (or the script, with --draft), then the arguments (an ARG may begin with -)
    #[arg(value_names = ["CONTRACT", "ARG"], required = true, num_args = 1.., trailing_var_arg = true)]
    pub operands: Vec<OsString>,
}
