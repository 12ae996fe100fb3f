//! Options of the commands that follow a file into the kernel.

use std::ffi::OsString;
use std::path::PathBuf;

use clap::{Args, ValueEnum};

use crate::cli::OutputOptions;

/// What the caller of exec hands on.
#[derive(Debug, Args)]
pub struct CallerOptions {
    /// Where relative names count from (else here)
    #[arg(long, value_name = "DIR")]
    pub dir: Option<PathBuf>,
    /// The value of PATH (else that of the environment)
    #[arg(long, value_name = "PATH")]
    pub path: Option<OsString>,
    /// Set a variable of the environment; can be given several times
    #[arg(long = "env", value_name = "NAME=VALUE")]
    pub env: Vec<OsString>,
    /// Start without the variables of the environment
    #[arg(long)]
    pub clean: bool,
    /// The stack limit in bytes, also as 512K or 8M, that the vector is held against (else this
    /// process's own)
    #[arg(long, value_name = "SIZE", value_parser = size)]
    pub stack: Option<u64>,
    /// Show more: memory, the new process's first words and strings
    #[arg(
        long,
        value_enum,
        value_name = "WHAT",
        value_delimiter = ',',
        hide_possible_values = true
    )]
    pub show: Vec<Picture>,
}

/// What is shown besides the way.
#[derive(Clone, Copy, PartialEq, Eq, Debug, ValueEnum)]
pub enum Picture {
    /// The new process's memory
    Memory,
}

/// A size in bytes, with K or M behind it.
fn size(text: &str) -> Result<u64, String> {
    let (digits, unit) = match text.as_bytes().last() {
        Some(b'k' | b'K') => (&text[..text.len() - 1], 1 << 10),
        Some(b'm' | b'M') => (&text[..text.len() - 1], 1 << 20),
        _ => (text, 1),
    };
    let number = digits.parse::<u64>().ok().and_then(|number| number.checked_mul(unit));
    number.ok_or_else(|| "write a number of bytes, as in 8388608, 512K or 8M".into())
}

/// Options of `shebang`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet shebang press.sh 'lime honey' heather
  fizzet shebang --first-line '#!/usr/bin/env -S label -h' 'lime honey'
  fizzet shebang --bytes --first-line '#!/bin/sh\\r\\n'
  fizzet shebang --system all --first-line '#!/bin/sh -e -u'
  fizzet shebang --format json press.sh | head

Nothing is run. With --first-line there is no file: all operands are arguments.")]
pub struct ShebangOptions {
    /// The first line itself, with or without a newline, in place of a file
    #[arg(long, value_name = "TEXT")]
    pub first_line: Option<OsString>,
    /// Read TEXT with escapes: \t \n \r \0 \\ \xFF, or as pairs of hexadecimal digits
    #[arg(long, requires = "first_line")]
    pub bytes: bool,
    /// The path that the script of --first-line would have
    #[arg(long = "as", value_name = "PATH", default_value = "./script", requires = "first_line")]
    pub script: OsString,
    /// The argv[0] that the caller hands over (else the path)
    #[arg(long, value_name = "TEXT")]
    pub zero: Option<OsString>,
    /// Whose kernel: linux, linux-5.0, freebsd, macos, or all side by side
    #[arg(long, value_name = "NAME", default_value = "linux", hide_possible_values = true,
        value_parser = crate::commands::shebang::system_parser())]
    pub system: String,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub caller: CallerOptions,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The script, then its arguments (an ARG may begin with -)
    #[arg(value_names = ["FILE", "ARG"], num_args = 0.., trailing_var_arg = true)]
    pub operands: Vec<OsString>,
}

/// Options of `exec`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet exec 'execl(\"/bin/ls\", \"ls\", \"-l\", (char *)NULL)'
  fizzet exec 'char *argv[] = {\"label\", \"lime honey\", NULL}; execvp(argv[0], argv);'
  fizzet exec --let argv='{\"label\", \"-h\", NULL}' 'execv(\"./press.sh\", argv)'
  fizzet exec --path ./bin:/usr/bin 'execlp(\"label\", \"label\", \"*.txt\", NULL)'
  fizzet exec 'system(\"label $HOME/*.txt\")'

Nothing is run. A name in the call that is declared nowhere wants a value with --let.")]
pub struct ExecOptions {
    /// Give a name of the call a value, as C text: a string, or an array in braces; can be given
    /// several times
    #[arg(long = "let", value_name = "NAME=VALUE")]
    pub lets: Vec<OsString>,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub caller: CallerOptions,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The call as it stands in a C program, declarations of its arrays before it if need be; or - for
    /// standard input
    #[arg(value_name = "CALL")]
    pub call: OsString,
}
