//! Tasks of the developers: `cargo xtask schema [--check]`, `cargo xtask record [TOPIC]...`,
//! `cargo xtask compare LINE [ARG]...`, `cargo xtask kernel`, `cargo xtask receive`, `cargo xtask ratios`, `cargo xtask scripts [FOLDER]...`.

mod compare;
mod kernel;
mod ratios;
mod receive;
mod record;
mod scripts;

use std::path::{Path, PathBuf};
use std::process::ExitCode;

use fizzet::render::json::accept::AcceptOut;
use fizzet::render::json::launch::{ExecOut, LaunchOut, SystemsOut};
use fizzet::render::json::shape::{AllShells, Event, Line, OutlineOut, Received, SpreadOut};
use fizzet::render::json::view::{ProofsOut, ViewOut};
use schemars::generate::SchemaSettings;
use schemars::{JsonSchema, Schema};

fn main() -> ExitCode {
    let words: Vec<String> = std::env::args().skip(1).collect();
    let words: Vec<&str> = words.iter().map(String::as_str).collect();
    let outcome = match words[..] {
        ["schema"] => each_schema(write),
        ["schema", "--check"] => each_schema(check),
        ["record", ..] => record::record(&words[1..]),
        ["compare", ..] => compare::compare(&words[1..]),
        ["kernel"] => kernel::record(),
        ["receive"] => receive::record(),
        ["ratios"] => ratios::ratios(),
        ["scripts", ..] => scripts::scripts(&words[1..]),
        _ => {
            Err("usage: cargo xtask schema [--check] | record [TOPIC]... | compare LINE [ARG]... | kernel | receive \
                  | ratios | scripts [FOLDER]..."
                .into())
        }
    };
    match outcome {
        Ok(()) => ExitCode::SUCCESS,
        Err(message) => {
            use std::io::Write;
            // Nothing is left to do when standard error is closed.
            let _ = writeln!(std::io::stderr(), "{message}");
            ExitCode::from(2)
        }
    }
}

/// Does something with the path and text of every schema.
fn each_schema(act: fn(&Path, &str) -> Result<(), String>) -> Result<(), String> {
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("../docs/schema");
    let schemas: [(&str, Schema); 12] = [
        ("line.json", schema_of::<Line<'static>>()),
        ("line-all.json", schema_of::<AllShells<'static>>()),
        ("outline.json", schema_of::<OutlineOut<'static>>()),
        ("spread.json", schema_of::<SpreadOut<'static>>()),
        ("walk.json", schema_of::<Event<'static>>()),
        ("receive.json", schema_of::<Received<'static>>()),
        ("exec.json", schema_of::<ExecOut<'static>>()),
        ("shebang.json", schema_of::<LaunchOut<'static>>()),
        ("shebang-systems.json", schema_of::<SystemsOut<'static>>()),
        ("accept.json", schema_of::<AcceptOut<'static>>()),
        ("view.json", schema_of::<ViewOut<'static>>()),
        ("view-prove.json", schema_of::<ProofsOut<'static>>()),
    ];
    schemas.iter().try_for_each(|(name, schema)| {
        let text = serde_json::to_string_pretty(schema).map_err(|error| error.to_string())?;
        let path: PathBuf = folder.join(name);
        act(&path, &(text + "\n"))
    })
}

/// The schema of what a type is written as: what may be left out need not be there.
fn schema_of<T: JsonSchema>() -> Schema {
    SchemaSettings::default().for_serialize().into_generator().into_root_schema_for::<T>()
}

fn write(path: &Path, text: &str) -> Result<(), String> {
    std::fs::write(path, text).map_err(|error| format!("{}: {error}", path.display()))
}

fn check(path: &Path, text: &str) -> Result<(), String> {
    let committed = std::fs::read_to_string(path).unwrap_or_default();
    if committed == text {
        return Ok(());
    }
    Err(format!("{} is out of date: run cargo xtask schema", path.display()))
}
