//! `cargo xtask record [TOPIC]...`: runs the committed lines in every real shell that is installed
//! and writes what programs received.

use std::io::Write;
use std::path::{Path, PathBuf};
use std::process::Command;

use fizzet_core::dialect::Shell;
use fizzet_truth::{ARGUMENTS, Case, Got, Place, find, lines, topics, version, with_end, write};

/// Records the topics that are named, or all.
pub(crate) fn record(named: &[&str]) -> Result<(), String> {
    let shells: Vec<Shell> =
        Shell::ALL.into_iter().filter(|&shell| shell != Shell::Posix).collect();
    if let Some(missing) = shells.iter().find(|&&shell| find(shell).is_none()) {
        return Err(format!("{missing} is not installed: nothing was recorded"));
    }
    let all = topics().map_err(|error| error.to_string())?;
    let receiver = receiver()?;
    for topic in all.iter().filter(|topic| named.is_empty() || named.contains(&topic.as_str())) {
        let count = record_topic(topic, &shells, &receiver).map_err(|error| error.to_string())?;
        // Progress only: nothing depends on it.
        let _ = writeln!(std::io::stderr(), "{topic}: {count} lines");
    }
    versions(&shells).map_err(|error| error.to_string())
}

/// The built receiver.
pub(crate) fn receiver() -> Result<PathBuf, String> {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("..");
    let cargo = std::env::var("CARGO").unwrap_or_else(|_| "cargo".into());
    let built =
        Command::new(cargo).args(["build", "--quiet", "-p", "fizzet"]).current_dir(&root).status();
    match built {
        Ok(status) if status.success() => {}
        _ => return Err("fizzet cannot be built".into()),
    }
    let target =
        std::env::var_os("CARGO_TARGET_DIR").map_or_else(|| root.join("target"), PathBuf::from);
    target.join("debug/fizzet").canonicalize().map_err(|error| error.to_string())
}

fn record_topic(topic: &str, shells: &[Shell], receiver: &Path) -> std::io::Result<usize> {
    let lines = lines(topic)?;
    let column = |shell: Shell, lines: Vec<String>, receiver: PathBuf| {
        std::thread::spawn(move || {
            let place = Place::new(&receiver)?;
            let truth = |line: &String| {
                match place.truth(shell, with_end(line).as_bytes(), &ARGUMENTS) {
                    // A shell that does not come back has no outcome.
                    Err(error) if error.kind() == std::io::ErrorKind::TimedOut => Ok(None),
                    other => other.map(Some),
                }
            };
            lines.iter().map(truth).collect::<std::io::Result<Vec<_>>>()
        })
    };
    let running: Vec<_> =
        shells.iter().map(|&shell| column(shell, lines.clone(), receiver.into())).collect();
    let mut columns = Vec::new();
    for thread in running {
        columns.push(thread.join().map_err(|_| std::io::Error::other("a thread panicked"))??);
    }
    let cases: Vec<Case> = lines
        .into_iter()
        .enumerate()
        .map(|(row, line)| {
            let mut got: Vec<Got> = Vec::new();
            for (column, &shell) in columns.iter().zip(shells) {
                let Some(outcome) = &column[row] else { continue };
                match got.iter_mut().find(|got| got.outcome == *outcome) {
                    Some(got) => got.shells.push(shell),
                    None => got.push(Got { shells: vec![shell], outcome: outcome.clone() }),
                }
            }
            Case { line, got }
        })
        .collect();
    write(topic, &cases)?;
    Ok(cases.len())
}

/// Writes which versions the truth came from.
fn versions(shells: &[Shell]) -> std::io::Result<()> {
    let mut text = String::new();
    for &shell in shells {
        text += &format!("{shell}: {}\n", version(shell).unwrap_or_default());
    }
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("../crates/fizzet-truth/recorded");
    std::fs::write(folder.join("versions.txt"), text)
}
