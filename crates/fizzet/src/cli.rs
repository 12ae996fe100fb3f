//! The command line.

mod commands;
mod kernel;
mod receive;

use std::ffi::OsString;
use std::path::PathBuf;

use clap::builder::{PossibleValue, PossibleValuesParser, TypedValueParser};
use clap::{Args, Parser, ValueEnum};
use fizzet_core::dialect::Shell;

pub use commands::Command;
pub use kernel::{CallerOptions, ExecOptions, Picture, ShebangOptions};
pub use receive::{AcceptOptions, As, ViewOptions};

use crate::scenario::Scenario;

/// Which argument vector does a program receive, and why?
#[derive(Debug, Parser)]
#[command(
    name = "fizzet",
    version,
    about = "Which argument vector does a program receive, and why?",
    long_about = "Which argument vector does a program receive, and why?\n\n\
        Fizzet works out quoting, expansion, splitting and matching itself, exactly as each shell \
        does, and shows for every argument where it came from. It runs nothing.",
    after_help = EXAMPLES,
    max_term_width = 100,
    arg_required_else_help = true
)]
pub struct Cli {
    /// What to do.
    #[command(subcommand)]
    pub command: Command,
}

const EXAMPLES: &str = "Examples:
  fizzet line 'label \"two words\" *.txt'
  fizzet line --var jar='acacia honey' 'label $jar \"$jar\"'
  fizzet line 'label \"$@\" $*' 'lime honey' heather
  fizzet line --shell all --var jar='lime honey' 'label $jar'
  fizzet walk press.sh 'lime honey' heather
  fizzet outline press.sh
  fizzet spread 'lime honey' '' heather
  fizzet shebang press.sh 'lime honey' heather
  fizzet exec 'execlp(\"label\", \"label\", \"*.txt\", NULL)'
  fizzet view --launch 'python3 -u press.py a b'
  fizzet accept press.toml -w 250 'lime honey'
  fizzet receive 'lime honey' '' heather
  fizzet demo

Exit status: 0 traced whole; 1 something asked for does not hold; 2 unusable arguments or a syntax error in the traced text;
3 an answer is missing; 4 stopped at a limit.";

/// How results are printed.
#[derive(Clone, Copy, PartialEq, Eq, Debug, Default, ValueEnum)]
pub enum Format {
    /// For people
    #[default]
    Text,
    /// One JSON document
    Json,
    /// The vector alone, each argument followed by a NUL byte
    Nul,
}

/// When to use colour.
#[derive(Clone, Copy, PartialEq, Eq, Debug, Default, ValueEnum)]
pub enum Color {
    /// On a terminal, unless NO_COLOR is set
    #[default]
    Auto,
    /// Always
    Always,
    /// Never
    Never,
}

/// What is shown besides the result.
#[derive(Clone, Copy, PartialEq, Eq, Debug, ValueEnum)]
pub enum Show {
    /// What each stage of the expansion made of each word
    Stages,
    /// Each argument's bytes beside its characters
    Bytes,
    /// The whole way of each argument, back to where it was given
    Lineage,
}

/// Options of everything that prints.
#[derive(Debug, Args)]
pub struct OutputOptions {
    /// How to print the result
    #[arg(long, value_enum, default_value_t, value_name = "FORMAT")]
    pub format: Format,
    /// When to use colour
    #[arg(long, value_enum, default_value_t, value_name = "WHEN")]
    pub color: Color,
    /// Columns to print in (else the terminal's, else 80)
    #[arg(long, value_name = "N", value_parser = clap::value_parser!(u16).range(20..=1000))]
    pub width: Option<u16>,
}

/// Options of everything that evaluates shell text.
#[derive(Debug, Args)]
pub struct EvaluationOptions {
    /// Whose rules to use: posix, bash, dash, busybox, ksh93, mksh, zsh, or all side by side
    /// (bash if nothing is said)
    #[arg(long, value_name = "SHELL", hide_possible_values = true, value_parser = shell_parser())]
    pub shell: Option<Shells>,
    /// $0 (else the shell's name)
    #[arg(long, value_name = "TEXT")]
    pub zero: Option<OsString>,
    /// Set a variable; can be given several times
    #[arg(long = "var", value_name = "NAME=VALUE")]
    pub vars: Vec<OsString>,
    /// Unset a variable; can be given several times
    #[arg(long = "unset", value_name = "NAME")]
    pub unset: Vec<OsString>,
    /// Set IFS; \t, \n and \\ are understood
    #[arg(long, value_name = "TEXT")]
    pub ifs: Option<OsString>,
    /// Where pathnames are looked up (else here)
    #[arg(long, value_name = "DIR")]
    pub dir: Option<PathBuf>,
    /// Set HOME, which a tilde stands for
    #[arg(long, value_name = "DIR")]
    pub home: Option<OsString>,
    /// What a command would print, without running it; can be given several times
    #[arg(long = "answer", value_name = "COMMAND=OUTPUT")]
    pub answers: Vec<OsString>,
    /// Run the programs that have no answer, each with the vector computed here and through no shell,
    /// and write the files that redirections name
    #[arg(long)]
    pub allow_run: bool,
    /// Follow each program on, through PATH and #! lines, to what receives the vector in the end
    #[arg(long)]
    pub follow: bool,
    /// Stop after this many steps
    #[arg(long, value_name = "N")]
    pub max_steps: Option<u64>,
    /// Stop at a word or value of more bytes than this
    #[arg(long, value_name = "N")]
    pub max_bytes: Option<usize>,
    /// Start without the variables of the environment
    #[arg(long)]
    pub clean: bool,
    /// A TOML file with any of these, and with answers, options and a list of files
    #[arg(long, value_name = "FILE")]
    pub scenario: Option<PathBuf>,
    /// Tell the answers that are missing in a form to paste into a scenario
    #[arg(long)]
    pub missing_as_scenario: bool,
    /// What else the scenario says.
    #[arg(skip)]
    pub besides: Scenario,
}

/// Options of `line`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet line 'label $jar'
  fizzet line --var jar='acacia honey' 'label $jar \"$jar\"'
  fizzet line 'label \"$@\"' 'lime honey' heather
  fizzet line --shell dash --ifs : --var path=a::b 'label $path'
  fizzet line --shell all --var jar='lime honey' 'label $jar'
  fizzet line --show stages --var jar='lid*' 'label $jar\"x y\"{1,2}'
  fizzet line --show bytes,lineage 'set -- a b; shift; label \"$1\"'
  fizzet line --answer 'date +%F=2026-05-01' 'label $(date +%F)'
  fizzet line --format nul 'label *.txt' | xargs -0 printf '[%s]\\n'
  echo 'label \"two words\"' | fizzet line -")]
pub struct LineOptions {
    #[command(flatten)]
    #[allow(missing_docs)]
    pub evaluation: EvaluationOptions,
    /// Show more: stages, bytes, lineage
    #[arg(
        long,
        value_enum,
        value_name = "WHAT",
        value_delimiter = ',',
        hide_possible_values = true
    )]
    pub show: Vec<Show>,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The line, or - for standard input; then $1, $2, ... (an ARG may begin with -)
    #[arg(value_names = ["LINE", "ARG"], required = true, num_args = 1.., trailing_var_arg = true)]
    pub operands: Vec<OsString>,
}

/// What a walk tells.
#[derive(Clone, Copy, PartialEq, Eq, Debug, ValueEnum)]
pub enum Only {
    /// Changes of the positional parameters
    Params,
    /// Commands and their vectors
    Commands,
}

/// Options of `walk`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet walk press.sh 'lime honey' heather
  fizzet walk --only params press.sh a b c
  fizzet walk --shell dash --lines 10-20 press.sh
  fizzet walk --until 12 press.sh 'lime honey'
  fizzet walk --shell all press.sh 'lime honey' heather
  fizzet walk --format json press.sh a b | head
  echo 'shift; label \"$@\"' | fizzet walk - a b c

Nothing is run, unless --allow-run is given: what a program would print is asked for with --answer.")]
pub struct WalkOptions {
    #[command(flatten)]
    #[allow(missing_docs)]
    pub evaluation: EvaluationOptions,
    /// Tell only this: params or commands
    #[arg(long, value_enum, value_name = "WHAT", hide_possible_values = true)]
    pub only: Option<Only>,
    /// Tell every pass of a loop, also those that are like the ones before
    #[arg(long)]
    pub every: bool,
    /// Tell only what happens on these lines of the script
    #[arg(long, value_name = "FIRST-LAST", value_parser = line_range)]
    pub lines: Option<(usize, usize)>,
    /// Stop before the first command behind this line
    #[arg(long, value_name = "LINE")]
    pub until: Option<usize>,
    /// Show more: lineage, bytes
    #[arg(
        long,
        value_enum,
        value_name = "WHAT",
        value_delimiter = ',',
        hide_possible_values = true
    )]
    pub show: Vec<Show>,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The script, or - for standard input; then $1, $2, ... (an ARG may begin with -)
    #[arg(value_names = ["FILE", "ARG"], required = true, num_args = 1.., trailing_var_arg = true)]
    pub operands: Vec<OsString>,
}

/// `10-20`, or one line.
fn line_range(text: &str) -> Result<(usize, usize), String> {
    let (first, last) = text.split_once('-').unwrap_or((text, text));
    match (first.trim().parse(), last.trim().parse()) {
        (Ok(first), Ok(last)) if 0 < first && first <= last => Ok((first, last)),
        _ => Err("write two line numbers, as in 10-20".into()),
    }
}

/// Options of `spread`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet spread 'lime honey' '' heather
  fizzet spread --ifs , 'lime,honey' heather
  fizzet spread --shell dash 'lime honey' ''
  fizzet spread --in press.sh --at 6 'lime honey' b

With --in FILE --at LINE the ARGs are those of the script, and the forms are told with the parameters
and the IFS that stand there.")]
pub struct SpreadOptions {
    /// Whose rules to use first: posix, bash, dash, busybox, ksh93, mksh, zsh
    #[arg(long, value_name = "SHELL", default_value = "bash", hide_possible_values = true,
        value_parser = shell_parser())]
    pub shell: Shells,
    /// Set IFS; \t, \n and \\ are understood
    #[arg(long, value_name = "TEXT")]
    pub ifs: Option<OsString>,
    /// A script that is walked to where the parameters are looked at
    #[arg(long = "in", value_name = "FILE", requires = "at")]
    pub script: Option<OsString>,
    /// The line of the script: the parameters as its first command has them
    #[arg(long, value_name = "LINE", requires = "script")]
    pub at: Option<usize>,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// $1, $2, ... (an ARG may begin with -)
    #[arg(value_name = "ARG", num_args = 0.., trailing_var_arg = true)]
    pub arguments: Vec<OsString>,
}

/// Options of `outline`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet outline press.sh
  fizzet outline --shell dash press.sh
  fizzet outline --format json press.sh

Below each word: = always the same argument, 1 exactly one, * any number of arguments.")]
pub struct OutlineOptions {
    /// Whose grammar to use: posix, bash, dash, busybox, ksh93, mksh, zsh
    #[arg(long, value_name = "SHELL", default_value = "bash", hide_possible_values = true,
        value_parser = shell_parser())]
    pub shell: Shells,
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// The script, or - for standard input
    #[arg(value_name = "FILE")]
    pub file: OsString,
}

/// Options of `receive`.
#[derive(Debug, Args)]
#[command(after_help = "Examples:
  fizzet receive 'lime honey' '' heather
  ln -s \"$(command -v fizzet)\" label && ./label 'lime honey'
  FIZZET_RECORD=seen.jsonl ./label 'lime honey'
  printf '#!%s receive\\n' \"$(command -v fizzet)\" > press; chmod +x press; ./press *.txt

Started under another name, all words are arguments; FIZZET_RECORD then names the record file.")]
pub struct ReceiveOptions {
    #[command(flatten)]
    #[allow(missing_docs)]
    pub output: OutputOptions,
    /// Append one JSON object to FILE instead of printing
    #[arg(long, value_name = "FILE")]
    pub record: Option<PathBuf>,
    /// What the program is given
    #[arg(value_name = "ARG", num_args = 0.., trailing_var_arg = true)]
    pub arguments: Vec<OsString>,
}

/// Options of `demo`.
#[derive(Debug, Args)]
#[command(after_help = "The data is copied to a temporary folder; nothing else is written.")]
pub struct DemoOptions {
    /// When to use colour
    #[arg(long, value_enum, default_value_t, value_name = "WHEN")]
    pub color: Color,
    /// Columns to print in (else the terminal's, else 80)
    #[arg(long, value_name = "N", value_parser = clap::value_parser!(u16).range(20..=1000))]
    pub width: Option<u16>,
}

/// Whose rules `--shell` asks for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Shells {
    /// Those of one shell.
    One(Shell),
    /// Those of all of them, side by side.
    All,
}

fn shell_parser() -> impl TypedValueParser<Value = Shells> {
    let names = Shell::ALL.map(Shell::name).into_iter().chain(["all"]);
    let names: Vec<PossibleValue> = names.map(PossibleValue::new).collect();
    PossibleValuesParser::new(names)
        .map(|name| Shell::from_name(&name).map_or(Shells::All, Shells::One))
}
