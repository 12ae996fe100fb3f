//! `cargo xtask ratios`: how long Fizzet takes beside the real shells, in one run.

use std::path::Path;
use std::process::{Command, Stdio};
use std::time::{Duration, Instant};

/// What is timed: a name, the text, how often each takes its turn.
const TASKS: [(&str, &str, usize); 4] = [
    ("one common line", "set -- \"$HOME\" $PATH *.none ${x:-lime honey}", 41),
    (
        "$x of 16,384 words",
        "x='jar '; for i in 1 2 3 4 5 6 7 8 9 10 11 12 13 14; do x=$x$x; done; set -- $x",
        11,
    ),
    (
        "$x of 1,048,576 words",
        "x='jar '; for i in 1 2 3 4 5 6 7 8 9 10 11 12 13 14 15 16 17 18 19 20; do x=$x$x; done; set -- $x",
        5,
    ),
    ("* of 100,000 files", "set -- *", 5),
];

const SHELLS: [&str; 2] = ["bash", "dash"];

/// Prints a table of medians, and the ratio of Fizzet's to each shell's.
///
/// # Errors
/// A folder that cannot be made, or a program that cannot be started.
pub(crate) fn ratios() -> Result<(), String> {
    let told = |error: std::io::Error| error.to_string();
    let folder = std::env::temp_dir().join(format!("fizzet-ratios-{}", std::process::id()));
    std::fs::create_dir(&folder).map_err(told)?;
    for number in 0..100_000 {
        std::fs::write(folder.join(format!("jar{number:06}")), "").map_err(told)?;
    }
    // A task that fails does not keep the others from being timed.
    let failed: Vec<String> = TASKS.iter().filter_map(|task| one(task, &folder).err()).collect();
    std::fs::remove_dir_all(&folder).map_err(told)?;
    if failed.is_empty() { Ok(()) } else { Err(failed.join("\n")) }
}

fn one(&(name, text, turns): &(&str, &str, usize), files: &Path) -> Result<(), String> {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("..");
    let fizzet = root.join("target/release/fizzet");
    let folder = if name.contains("files") { files } else { &root };
    let mut commands = vec![("fizzet", fizzet.as_path(), vec!["line", "--format", "nul", text])];
    commands.extend(SHELLS.iter().map(|&shell| (shell, Path::new(shell), vec!["-c", text])));
    let mut times = vec![Vec::with_capacity(turns); commands.len()];
    for _ in 0..turns {
        for ((_, program, words), times) in commands.iter().zip(&mut times) {
            times.push(timed(program, words, folder)?);
        }
    }
    let medians: Vec<Duration> = times.into_iter().map(median).collect();
    let ours = medians[0];
    let mut row = format!("{name:24} fizzet {:8.1} ms", ours.as_secs_f64() * 1e3);
    for ((shell, ..), time) in commands.iter().zip(&medians).skip(1) {
        let ratio = ours.as_secs_f64() / time.as_secs_f64();
        row += &format!("   {shell} {:8.1} ms, ratio {ratio:.2}", time.as_secs_f64() * 1e3);
    }
    #[allow(clippy::print_stdout)]
    {
        println!("{row}");
    }
    Ok(())
}

fn timed(program: &Path, words: &[&str], folder: &Path) -> Result<Duration, String> {
    let mut command = Command::new(program);
    command.args(words).current_dir(folder).stdin(Stdio::null());
    command.stdout(Stdio::null()).stderr(Stdio::null());
    let start = Instant::now();
    let status = command.status().map_err(|error| format!("{}: {error}", program.display()))?;
    let time = start.elapsed();
    match status.success() {
        true => Ok(time),
        false => {
            Err(format!("{} did not carry out {}: {status}", program.display(), words.join(" ")))
        }
    }
}

fn median(mut times: Vec<Duration>) -> Duration {
    times.sort();
    times[times.len() / 2]
}
