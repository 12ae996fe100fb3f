//! Tasks of the developers: `cargo xtask schema`, `cargo xtask record [TOPIC]...`,
//! `cargo xtask compare LINE [ARG]...`, `cargo xtask kernel`, `cargo xtask receive`, `cargo xtask ratios`, `cargo xtask scripts [FOLDER]...`.

mod compare;
mod kernel;
mod ratios;
mod receive;
mod record;
mod scripts;

use std::path::Path;
use std::process::ExitCode;

use fizzet::render::json::schema::schemas;

fn main() -> ExitCode {
    let words: Vec<String> = std::env::args().skip(1).collect();
    let words: Vec<&str> = words.iter().map(String::as_str).collect();
    let outcome = match words[..] {
        ["schema"] => write_schemas(),
        ["record", ..] => record::record(&words[1..]),
        ["compare", ..] => compare::compare(&words[1..]),
        ["kernel"] => kernel::record(),
        ["receive"] => receive::record(),
        ["ratios"] => ratios::ratios(),
        ["scripts", ..] => scripts::scripts(&words[1..]),
        _ => {
            Err("usage: cargo xtask schema | record [TOPIC]... | compare LINE [ARG]... | kernel | receive \
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

/// Writes every schema into its file.
fn write_schemas() -> Result<(), String> {
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("../docs/schema");
    schemas().iter().try_for_each(|(name, text)| {
        let path = folder.join(name);
        std::fs::write(&path, text).map_err(|error| format!("{}: {error}", path.display()))
    })
}
