//! `cargo xtask scripts [FOLDER]...`: does Fizzet read every shell script that the shells read, and no
//! other?

use std::path::{Path, PathBuf};
use std::process::{Command, Stdio};

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::source::SourceId;
use fizzet_core::syntax::Parser;

/// Where a Debian system keeps its scripts.
const FOLDERS: [&str; 5] = ["/usr/bin", "/usr/sbin", "/usr/share", "/etc", "/var/lib/dpkg/info"];

/// Each shell that has read them, and how it is asked to.
const READERS: [(Shell, &[&str]); 2] =
    [(Shell::Bash, &["bash", "-n"]), (Shell::Dash, &["dash", "-n"])];

/// Reads every script for sh and bash in some folders with Fizzet and with the shell that its first
/// line names (sh: both), and prints each on which they do not agree.
///
/// # Errors
/// A disagreement, or a shell that cannot be started.
pub(crate) fn scripts(folders: &[&str]) -> Result<(), String> {
    let folders = if folders.is_empty() { &FOLDERS[..] } else { folders };
    let mut files = Vec::new();
    folders.iter().for_each(|folder| collect(Path::new(folder), &mut files));
    files.sort();
    files.dedup();
    let worker = std::thread::Builder::new().stack_size(512 << 20);
    let worker = worker.spawn(move || compared(&files)).map_err(|error| error.to_string())?;
    worker.join().map_err(|_| "the reader panicked".to_owned())?
}

fn compared(files: &[PathBuf]) -> Result<(), String> {
    let (mut scripts, mut readings, mut refused, mut wrong) = (0, 0, 0, Vec::new());
    for file in files {
        let Ok(text) = std::fs::read(file) else { continue };
        let Some(only_bash) = interpreter(&text) else { continue };
        scripts += 1;
        for (shell, command) in &READERS {
            if only_bash && *shell != Shell::Bash {
                continue;
            }
            readings += 1;
            let (ours, real) = (reads(*shell, &text), really_reads(command, file)?);
            refused += usize::from(!real);
            if ours.is_ok() != real {
                let why = ours.err().unwrap_or_else(|| "we read it".into());
                wrong.push(format!("{shell}: {}: {why}", file.display()));
            }
        }
    }
    #[allow(clippy::print_stdout)]
    {
        println!(
            "{scripts} scripts, {readings} readings, {refused} refused by the shell itself, {} not agreed on",
            wrong.len()
        );
    }
    if wrong.is_empty() { Ok(()) } else { Err(wrong.join("\n")) }
}

fn collect(folder: &Path, files: &mut Vec<PathBuf>) {
    let Ok(entries) = std::fs::read_dir(folder) else { return };
    for entry in entries.flatten() {
        match entry.file_type() {
            Ok(kind) if kind.is_dir() => collect(&entry.path(), files),
            Ok(_) => files.extend(entry.path().canonicalize().ok().filter(|path| path.is_file())),
            Err(_) => {}
        }
    }
}

/// Whether a script names bash rather than sh; `None` where it names neither.
fn interpreter(text: &[u8]) -> Option<bool> {
    let line = text.strip_prefix(b"#!")?.split(|&byte| byte == b'\n').next()?;
    let mut words = std::str::from_utf8(line).ok()?.split_ascii_whitespace();
    let mut name = words.next()?.rsplit('/').next()?;
    if name == "env" {
        name = words.next()?;
    }
    match name {
        "bash" => Some(true),
        "sh" | "dash" => Some(false),
        _ => None,
    }
}

fn reads(shell: Shell, text: &[u8]) -> Result<(), String> {
    let dialect = Dialect::of(shell);
    let mut parser = Parser::new(text, SourceId::MAIN, &dialect);
    loop {
        match parser.next_commands() {
            Ok(Some(_)) => {}
            Ok(None) => return Ok(()),
            Err(error) => {
                let before = &text[..(error.span.start as usize).min(text.len())];
                let line = 1 + before.iter().filter(|&&byte| byte == b'\n').count();
                return Err(format!("line {line}: {error}"));
            }
        }
    }
}

fn really_reads(command: &[&str], file: &Path) -> Result<bool, String> {
    let mut process = Command::new(command[0]);
    process.args(&command[1..]).arg(file);
    process.stdin(Stdio::null()).stdout(Stdio::null()).stderr(Stdio::null());
    let status = process.status().map_err(|error| format!("{}: {error}", command[0]))?;
    Ok(status.success())
}
