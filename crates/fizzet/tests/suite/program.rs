//! Runs the built program and checks everything it does: both outputs and the status.

use std::ffi::OsStr;
use std::path::Path;
use std::process::Output;

use assert_cmd::Command;

/// One run of the program.
pub(crate) struct Run {
    command: Command,
    told: String,
}

impl Run {
    /// The program with these words, in a clean environment.
    pub(crate) fn of<W: AsRef<OsStr>>(words: &[W]) -> Run {
        let mut command = Command::new(env!("CARGO_BIN_EXE_fizzet"));
        command.args(words).env_clear().env("HOME", "/home/keeper");
        let told = words.iter().map(|word| format!(" {:?}", word.as_ref())).collect();
        Run { command, told }
    }

    /// In this folder.
    pub(crate) fn within(mut self, folder: &Path) -> Run {
        self.command.current_dir(folder);
        self
    }

    /// With this on standard input.
    pub(crate) fn input(mut self, bytes: &[u8]) -> Run {
        self.command.write_stdin(bytes.to_vec());
        self
    }

    /// With this in the environment.
    pub(crate) fn env(mut self, name: &str, value: impl AsRef<OsStr>) -> Run {
        self.command.env(name, value);
        self
    }

    /// The outcome, with this status; a difference shows the whole run.
    pub(crate) fn status(mut self, expected: i32) -> Output {
        let output = self.command.output().unwrap();
        assert_eq!(
            output.status.code(),
            Some(expected),
            "status of: fizzet{}\nstdout: {}\nstderr: {}",
            self.told,
            String::from_utf8_lossy(&output.stdout),
            String::from_utf8_lossy(&output.stderr)
        );
        output
    }

    /// The outcome, whatever its status.
    pub(crate) fn any_status(mut self) -> Output {
        self.command.output().unwrap()
    }

    /// Standard output of a run that succeeds and says nothing on standard error.
    pub(crate) fn prints(self) -> String {
        let told = self.told.clone();
        let output = self.status(0);
        assert!(output.stderr.is_empty(), "fizzet{told} said {}", text(&output.stderr));
        text(&output.stdout)
    }

    /// Standard output of a run that succeeds, whatever it says on standard error.
    pub(crate) fn output(self) -> String {
        text(&self.status(0).stdout)
    }

    /// Standard error of a run that ends with this status.
    pub(crate) fn says(self, status: i32) -> String {
        text(&self.status(status).stderr)
    }
}

/// Bytes as text, for messages.
pub(crate) fn text(bytes: &[u8]) -> String {
    String::from_utf8_lossy(bytes).into_owned()
}

/// What the script of a walk prints, from its events.
pub(crate) fn printed_by(events: &str) -> String {
    let events = events.lines().map(|line| serde_json::from_str(line).unwrap());
    let outputs = events.filter(|event: &serde_json::Value| event["event"] == "output");
    outputs.map(|event| event["text"].as_str().unwrap().to_owned()).collect()
}
