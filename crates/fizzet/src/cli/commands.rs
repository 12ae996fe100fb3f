//! The commands, each with its options.

use clap::error::ErrorKind;
use clap::{ArgMatches, Args, Error, FromArgMatches, Subcommand};

use super::{
    AcceptOptions, DemoOptions, ExecOptions, LineOptions, OutlineOptions, ReceiveOptions,
    ShebangOptions, SpreadOptions, ViewOptions, WalkOptions,
};

/// Makes the commands of a table of their sentences, names and options. Deriving them would describe the
/// options of every command each time one is run; here only those of the command asked for are looked at.
macro_rules! commands {
    ($(#[doc = $about:literal] $command:ident($options:ident) = $name:literal,)*) => {
        /// The subcommands.
        #[derive(Debug)]
        pub enum Command {
            $(#[doc = $about] $command($options),)*
        }

        impl FromArgMatches for Command {
            fn from_arg_matches(matches: &ArgMatches) -> Result<Self, Error> {
                match matches.subcommand() {
                    $(Some(($name, given)) => {
                        $options::from_arg_matches(given).map(Command::$command)
                    })*
                    _ => Err(Error::new(ErrorKind::MissingSubcommand)),
                }
            }

            fn update_from_arg_matches(&mut self, matches: &ArgMatches) -> Result<(), Error> {
                *self = Self::from_arg_matches(matches)?;
                Ok(())
            }
        }

        impl Subcommand for Command {
            fn augment_subcommands(parser: clap::Command) -> clap::Command {
                parser$(.subcommand(clap::Command::new($name).about($about.trim()).defer(|command| {
                    $options::augment_args(command).about($about.trim()).long_about(None)
                })))*
            }

            fn augment_subcommands_for_update(parser: clap::Command) -> clap::Command {
                Self::augment_subcommands(parser)
            }

            fn has_subcommand(name: &str) -> bool {
                [$($name),*].contains(&name)
            }
        }
    };
}

commands! {
    /// One typed line: the vector of every command in it, and why
    Line(LineOptions) = "line",
    /// A script, statement by statement: vectors, and how the parameters move
    Walk(WalkOptions) = "walk",
    /// $@ $* "$@" "$*" side by side, for each IFS and each shell
    Spread(SpreadOptions) = "spread",
    /// A script's commands as written, without evaluating: what is fixed, what can vary
    Outline(OutlineOptions) = "outline",
    /// A #! file: the interpreter, the vector it receives, every hop, or which error and why
    Shebang(ShebangOptions) = "shebang",
    /// A C call of the exec family: which file runs with which vector, or which error, and what goes wrong
    Exec(ExecOptions) = "exec",
    /// The vector as each language's runtime shows it; missing arguments; texts as numbers
    View(ViewOptions) = "view",
    /// Does a vector satisfy a declared usage: roles, values, what is missing, left over or ill-typed
    Accept(AcceptOptions) = "accept",
    /// Be the program: show or record exactly which vector arrived
    Receive(ReceiveOptions) = "receive",
    /// The tour, on the data of a honey co-op
    Demo(DemoOptions) = "demo",
}
