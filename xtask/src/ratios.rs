//! `cargo xtask ratios`: how long Fizzet takes beside the real shells, in one run.

use std::fs::File;
use std::path::{Path, PathBuf};
use std::process::{Command, Stdio};
use std::time::{Duration, Instant};

/// What is timed.
struct Task {
    name: &'static str,
    /// How Fizzet is called; the text or the script comes behind these words.
    ours: &'static [&'static str],
    /// A line, or the text of a script.
    text: &'static str,
    /// The shells it is timed beside, each as it is called, and how often each takes its turn.
    shells: &'static [&'static [&'static str]],
    turns: usize,
}

const LINE: &[&str] = &["line", "--format", "nul"];
const BASH: &[&str] = &["bash"];
const DASH: &[&str] = &["dash"];
const FEW: &[&[&str]] = &[BASH, DASH];
const MANY: &[&[&str]] = &[BASH, DASH, &["busybox", "sh"], &["ksh"], &["mksh"], &["zsh"]];

const TASKS: &[Task] = &[
    Task {
        name: "one common line",
        ours: LINE,
        text: "set -- \"$HOME\" $PATH *.none ${x:-lime honey}",
        shells: FEW,
        turns: 41,
    },
    Task {
        name: "$x of 16,384 words",
        ours: LINE,
        text: "x='jar '; for i in 1 2 3 4 5 6 7 8 9 10 11 12 13 14; do x=$x$x; done; set -- $x",
        shells: FEW,
        turns: 11,
    },
    Task {
        name: "$x of 1,048,576 words",
        ours: LINE,
        text: "x='jar '; for i in 1 2 3 4 5 6 7 8 9 10 11 12 13 14 15 16 17 18 19 20; do x=$x$x; done; set -- $x",
        shells: FEW,
        turns: 5,
    },
    Task { name: "* of 100,000 files", ours: LINE, text: ALL_FILES, shells: FEW, turns: 5 },
    Task { name: "shift of 100,000", ours: &["walk"], text: SHIFTS, shells: MANY, turns: 3 },
    Task {
        name: "shift, --only params",
        ours: &["walk", "--only", "params"],
        text: SHIFTS,
        shells: MANY,
        turns: 3,
    },
    Task {
        name: "count to 1,000,000",
        ours: &["walk", "--only", "params"],
        text: "i=0\nwhile [ $i -lt 1000000 ]; do i=$((i+1)); done\n",
        shells: FEW,
        turns: 3,
    },
];

const ALL_FILES: &str = "set -- *";
const SHIFTS: &str = "while [ $# -gt 0 ]; do shift; done\n";

/// A script with three commands a pass, and the number of events that `walk` writes of it.
const EVENTS: (&str, u32) =
    ("i=0\nwhile [ $i -lt 200000 ]; do i=$((i+1)); label jar $i; done\n", 600_000);

/// The folders that everything is timed in: many files, and the scripts.
struct Ground {
    files: PathBuf,
    scripts: PathBuf,
}

/// Prints a table of medians, and the ratio of Fizzet's to each shell's.
///
/// # Errors
/// A folder that cannot be made, or a program that cannot be started.
pub(crate) fn ratios() -> Result<(), String> {
    let told = |error: std::io::Error| error.to_string();
    let folder = std::env::temp_dir().join(format!("fizzet-ratios-{}", std::process::id()));
    let ground = Ground { files: folder.join("files"), scripts: folder.join("scripts") };
    std::fs::create_dir_all(&ground.files).map_err(told)?;
    std::fs::create_dir(&ground.scripts).map_err(told)?;
    for number in 0..100_000 {
        std::fs::write(ground.files.join(format!("jar{number:06}")), "").map_err(told)?;
    }
    // A task that fails does not keep the others from being timed.
    let mut outcomes: Vec<_> = TASKS.iter().map(|task| one(task, &ground)).collect();
    outcomes.push(events(&ground));
    std::fs::remove_dir_all(&folder).map_err(told)?;
    let failed: Vec<String> = outcomes.into_iter().filter_map(Result::err).collect();
    if failed.is_empty() { Ok(()) } else { Err(failed.join("\n")) }
}

fn fizzet() -> String {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("..");
    root.join("target/release/fizzet").to_string_lossy().into_owned()
}

fn one(task: &Task, ground: &Ground) -> Result<(), String> {
    let walks = task.ours[0] == "walk";
    let mut words: Vec<String> = vec![task.text.into()];
    if walks {
        let script = ground.scripts.join("script");
        std::fs::write(&script, task.text).map_err(|error| error.to_string())?;
        words = vec![script.to_string_lossy().into_owned()];
    }
    if task.text == SHIFTS {
        words.extend((1..=100_000).map(|number| number.to_string()));
    }
    // Only the task about many files is timed among them.
    let folder = if task.text == ALL_FILES { &ground.files } else { &ground.scripts };
    let program = fizzet();
    let ours: Vec<&str> = [program.as_str()].into_iter().chain(task.ours.iter().copied()).collect();
    let mut commands = vec![ours];
    commands.extend(task.shells.iter().map(|shell| {
        let before: &[&str] = if walks { &[] } else { &["-c"] };
        [shell, before].concat()
    }));
    let mut times = vec![Vec::with_capacity(task.turns); commands.len()];
    for _ in 0..task.turns {
        for (command, times) in commands.iter().zip(&mut times) {
            times.push(timed(command, &words, folder)?);
        }
    }
    let medians: Vec<Duration> = times.into_iter().map(median).collect();
    let ours = medians[0];
    let mut row = format!("{:22} fizzet {:7.1} ms", task.name, ours.as_secs_f64() * 1e3);
    for (shell, time) in task.shells.iter().zip(&medians[1..]) {
        let ratio = ours.as_secs_f64() / time.as_secs_f64();
        row += &format!("   {} {:7.1} ms, {ratio:.2}", shell[0], time.as_secs_f64() * 1e3);
    }
    print(&row);
    Ok(())
}

/// How many events a second `walk` writes to a file.
fn events(ground: &Ground) -> Result<(), String> {
    let told = |error: std::io::Error| error.to_string();
    let (text, count) = EVENTS;
    let (script, written) = (ground.scripts.join("events"), ground.scripts.join("written"));
    std::fs::write(&script, text).map_err(told)?;
    let mut times = Vec::new();
    for _ in 0..5 {
        let mut command = Command::new(fizzet());
        command.args(["walk", "--format", "json"]).arg(&script);
        command.stdin(Stdio::null()).stdout(File::create(&written).map_err(told)?);
        command.stderr(Stdio::null());
        let start = Instant::now();
        command.status().map_err(told)?;
        times.push(start.elapsed());
    }
    let lines = std::fs::read(&written).map_err(told)?;
    let lines = lines.iter().filter(|byte| **byte == b'\n').count();
    if lines < count as usize {
        return Err(format!("walk wrote {lines} events of {count}"));
    }
    let rate = f64::from(count) / median(times).as_secs_f64();
    print(&format!("events of walk         {rate:.0} a second to a file"));
    Ok(())
}

fn print(row: &str) {
    #[allow(clippy::print_stdout)]
    {
        println!("{row}");
    }
}

fn timed(command: &[&str], words: &[String], folder: &Path) -> Result<Duration, String> {
    let mut started = Command::new(command[0]);
    started.args(&command[1..]).args(words).current_dir(folder).stdin(Stdio::null());
    started.stdout(Stdio::null()).stderr(Stdio::null());
    let start = Instant::now();
    let status = started.status().map_err(|error| format!("{}: {error}", command[0]))?;
    let time = start.elapsed();
    match status.success() {
        true => Ok(time),
        false => Err(format!("{} did not carry out its task: {status}", command.join(" "))),
    }
}

fn median(mut times: Vec<Duration>) -> Duration {
    times.sort();
    times[times.len() / 2]
}
