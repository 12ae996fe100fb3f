//! `fizzet demo`: the tour, on the data of a honey co-op.
//!
//! The data is part of the program and is copied to a temporary folder; every step is a command
//! line as a person would type it, run by this very program in that folder.

use std::fs::File;
use std::io::{self, Write};
use std::os::unix::process::CommandExt;
use std::process::Command;

use crate::cli::{Color, DemoOptions};
use crate::data;
use crate::failure::Failure;
use crate::render::page::{Page, wrap};

/// One step: what it shows, the name that the program is started under, and the words behind it.
struct Step {
    about: &'static str,
    program: &'static str,
    words: &'static [&'static str],
    /// The file that it reads, if any.
    input: Option<&'static str>,
}

const STEPS: &[Step] = &[
    Step {
        about: "A keeper prints labels. The name of the honey has a space, and nobody quoted it:",
        program: "fizzet",
        words: &["line", "--var", "honey=acacia honey", "label $honey"],
        input: None,
    },
    Step {
        about: "With double quotes the value stays one argument:",
        program: "fizzet",
        words: &["line", "--var", "honey=acacia honey", "label \"$honey\""],
        input: None,
    },
    Step {
        about: "A pattern matches every label; one file name begins with a dash, one has brackets:",
        program: "fizzet",
        words: &["line", "--dir", "labels", "label *.txt batch[1].csv 'batch[1].csv'"],
        input: None,
    },
    Step {
        about: "Four ways to pass on what came in, for three jars, one of them without a name:",
        program: "fizzet",
        words: &["line", "jar $@; jar \"$@\"; jar $*; jar \"$*\"", "lime honey", "", "heather"],
        input: None,
    },
    Step {
        about: "The same line in dash, with a colon in IFS:",
        program: "fizzet",
        words: &[
            "line",
            "--shell",
            "dash",
            "--ifs",
            ":",
            "--var",
            "shelf=jar::lid:",
            "label $shelf end",
        ],
        input: None,
    },
    Step {
        about: "The tenth jar is not $10:",
        program: "fizzet",
        words: &["line", "label $10 \"${10}\"", "a", "b", "c", "d", "e", "f", "g", "h", "i", "j"],
        input: None,
    },
    Step {
        about: "A quote that is never closed:",
        program: "fizzet",
        words: &["line", "label \"lime honey"],
        input: None,
    },
    Step {
        about: "The words are inside a script now. No jar was named, so set gives the usual ones, and the \
                loop takes them one by one:",
        program: "fizzet",
        words: &["walk", "scripts/labels.sh", "May"],
        input: None,
    },
    Step {
        about: "A script in all shells side by side: only what does not arrive the same, and the rules behind it:",
        program: "fizzet",
        words: &["walk", "--shell", "all", "scripts/list.sh", "lime honey:heather"],
        input: None,
    },
    Step {
        about: "What of the first script is fixed, and what can vary:",
        program: "fizzet",
        words: &["outline", "scripts/labels.sh"],
        input: None,
    },
    Step {
        about: "Options by getopts, then hives moved one by one; only the programs that would be started:",
        program: "fizzet",
        words: &[
            "walk",
            "--only",
            "commands",
            "--lines",
            "15-20",
            "scripts/move-hives.sh",
            "-k",
            "Ada",
            "-n",
            "stand 2",
            "lime hive",
            "heather hive",
        ],
        input: None,
    },
    Step {
        about: "Every way to pass all parameters on, for each IFS and each shell:",
        program: "fizzet",
        words: &["spread", "lime honey", "", "heather"],
        input: None,
    },
    Step {
        about: "Into the kernel: a #! line with env -S, whose interpreter is a script itself:",
        program: "fizzet",
        words: &["shebang", "scripts/seal.sh", "heather honey"],
        input: None,
    },
    Step {
        about: "A call in C that forgets its null pointer, and the name of the program:",
        program: "fizzet",
        words: &["exec", "-"],
        input: Some("calls/press.c"),
    },
    Step {
        about: "A vector of 20,000 jars, held against a stack limit:",
        program: "fizzet",
        words: &["exec", "--clean", "--stack", "512K", "-"],
        input: Some(JARS),
    },
    Step {
        about: "Inside the receiver: the same jars, as each language shows them:",
        program: "fizzet",
        words: &["view", "lime honey", "", "heather"],
        input: None,
    },
    Step {
        about: "A typed line that starts Python, and the words that Python keeps for itself:",
        program: "fizzet",
        words: &["view", "--launch", "python3 -u receivers/press.py $1 \"$1\"", "lime honey"],
        input: None,
    },
    Step {
        about: "A third jar that nobody gave:",
        program: "fizzet",
        words: &["view", "--read", "3", "lime honey", "heather"],
        input: None,
    },
    Step {
        about: "The weight of a jar has to be a number:",
        program: "fizzet",
        words: &["view", "--as", "int", "250g"],
        input: None,
    },
    Step {
        about: "A contract says how the press is used. A quote is missing, so there are too many operands:",
        program: "fizzet",
        words: &[
            "accept",
            "--from-line",
            "--var",
            "jar=lime honey of May north",
            "contracts/press.toml",
            "press -w250 $jar",
        ],
        input: None,
    },
    Step {
        about: "A first contract from a script's own checks:",
        program: "fizzet",
        words: &["accept", "--draft", "scripts/move-hives.sh"],
        input: None,
    },
    Step {
        about: "The program's side of it. Under another name Fizzet is the receiver (ln -s fizzet label):",
        program: "./label",
        words: &["lime honey", "", "jar\tlid", "heather"],
        input: None,
    },
];

/// Runs the tour.
///
/// # Errors
/// A temporary folder that cannot be made, or output that cannot be written.
pub fn run(options: DemoOptions) -> Result<u8, Failure> {
    let unusable = |error: io::Error| Failure::Unusable {
        what: "a temporary folder for the demo data".into(),
        why: error.to_string(),
        hint: "set TMPDIR to a folder that can be written".into(),
    };
    let folder = tempfile::Builder::new().prefix("honey-coop-").tempdir().map_err(unusable)?;
    data::write(data::DATA, folder.path()).map_err(unusable)?;
    data::write(data::RECEIVERS, folder.path()).map_err(unusable)?;
    let program = std::env::current_exe().map_err(unusable)?;
    std::fs::write(folder.path().join(JARS), twenty_thousand_jars()).map_err(unusable)?;
    let mut out = io::stdout().lock();
    for (at, step) in STEPS.iter().enumerate() {
        let mut page = Page::sized(options.color, options.width);
        if at > 0 {
            page.end_row();
        }
        introduce(&mut page, step);
        let width = page.width.to_string();
        let color = match options.color {
            Color::Auto if page.palette.value == anstyle::Style::new() => "never",
            Color::Never => "never",
            _ => "always",
        };
        page.write(&mut out)?;
        let mut command = Command::new(&program);
        command.arg0(step.program).current_dir(folder.path());
        match step.program {
            "fizzet" => {
                command.args([step.words[0], "--color", color, "--width", &width]);
                command.args(&step.words[1..]);
            }
            _ => {
                command.args(step.words).env_remove("FIZZET_RECORD");
            }
        }
        if let Some(input) = step.input {
            command.stdin(File::open(folder.path().join(input)).map_err(unusable)?);
        }
        let output = command.output().map_err(unusable)?;
        out.write_all(&output.stdout)?;
        out.write_all(&output.stderr)?;
    }
    out.flush()?;
    Ok(0)
}

/// The file of the call that hands too much over; it is too long to be kept as data.
const JARS: &str = "calls/jars.c";

fn twenty_thousand_jars() -> String {
    let jars: String = (1..=20_000).map(|jar| format!("\"jar {jar}\", ")).collect();
    format!("char *jars[] = {{\"sh\", {jars}NULL}};\nexecv(\"/bin/sh\", jars);\n")
}

fn introduce(page: &mut Page, step: &Step) {
    for row in wrap(step.about, page.width) {
        page.text(&row).end_row();
    }
    let words: Vec<String> = step.words.iter().map(|word| typed(word)).collect();
    let value = page.palette.value;
    let input = step.input.map(|file| format!(" <{file}")).unwrap_or_default();
    page.text("$ ")
        .styled(value, &format!("{} {}{input}", step.program, words.join(" ")))
        .end_row()
        .end_row();
}

/// A word as a person would type it in a shell.
fn typed(word: &str) -> String {
    let plain = |c: char| c.is_alphanumeric() || "-_./=".contains(c);
    match word {
        _ if !word.is_empty() && word.chars().all(plain) => word.into(),
        _ if word.contains('\t') => format!("$'{}'", word.replace('\t', "\\t")),
        _ if word.contains('\'') => {
            format!("'{}'", word.replace('\'', "'\\''"))
        }
        _ => match word.split_once('=') {
            Some((name, value)) if name.chars().all(plain) && !value.contains(' ') => {
                format!("{name}='{value}'")
            }
            Some((name, value)) if name.chars().all(char::is_alphanumeric) => {
                format!("{name}='{value}'")
            }
            _ => format!("'{word}'"),
        },
    }
}
