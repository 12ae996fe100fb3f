//! Scenario files: all that an evaluation starts from, in TOML.
//!
//! ```toml
//! shell = "dash"
//! args = ["lime honey", ""]
//! vars = { batch = "May" }
//! files = ["labels/lime honey.txt"]
//!
//! [[answers]]
//! command = "weigh jar"
//! output = "450 g\n"
//! ```

use std::collections::BTreeMap;
use std::ffi::OsString;
use std::path::{Path, PathBuf};

use fizzet_core::dialect::Shell;
use fizzet_core::trace::Missing;
use serde::{Deserialize, Serialize};

use crate::cli::{EvaluationOptions, Shells};
use crate::failure::Failure;

/// What a scenario file says. What the command line says comes first.
#[derive(Clone, Debug, Default, Deserialize)]
#[serde(deny_unknown_fields, default)]
pub struct Scenario {
    /// Whose rules to use.
    pub shell: Option<String>,
    /// `$0`
    pub zero: Option<String>,
    /// `$1` and on, where the command line names none.
    pub args: Vec<String>,
    /// Variables.
    pub vars: BTreeMap<String, String>,
    /// Variables that are unset.
    pub unset: Vec<String>,
    /// IFS, as it is.
    pub ifs: Option<String>,
    /// Options that are on at the start, by the names that `set -o` knows.
    pub options: Vec<String>,
    /// Where pathnames are looked up.
    pub dir: Option<PathBuf>,
    /// HOME
    pub home: Option<String>,
    /// Whether to start without the variables of the environment.
    pub clean: bool,
    /// The only files that there are; those of the machine where nothing is said.
    pub files: Option<Vec<String>>,
    /// What commands would print, and with which status.
    pub answers: Vec<ScenarioAnswer>,
}

/// What one command would do.
#[derive(Clone, Debug, Default, Deserialize, Serialize)]
#[serde(deny_unknown_fields, default)]
pub struct ScenarioAnswer {
    /// The command: its arguments, joined by spaces.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub command: Option<String>,
    /// The command, argument by argument.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub vector: Option<Vec<String>>,
    /// What it prints.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub output: Option<String>,
    /// Its exit status; 0 if nothing is said.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub status: Option<u8>,
}

impl EvaluationOptions {
    /// Reads the scenario and fills in what the command line does not say.
    ///
    /// # Errors
    /// A file that cannot be read, or that is no scenario.
    pub fn take_scenario(&mut self) -> Result<(), Failure> {
        let Some(path) = self.scenario.clone() else { return Ok(()) };
        let scenario = read(&path)?;
        if self.shell.is_none() {
            self.shell = scenario.shell.as_deref().map(|name| shell(&path, name)).transpose()?;
        }
        let given = std::mem::take(&mut self.vars);
        let pair = |(name, value): (&String, &String)| OsString::from(format!("{name}={value}"));
        self.vars = scenario.vars.iter().map(pair).chain(given).collect();
        self.unset.extend(scenario.unset.iter().map(OsString::from));
        let text = |text: &Option<String>| text.as_ref().map(OsString::from);
        self.zero = self.zero.take().or_else(|| text(&scenario.zero));
        self.home = self.home.take().or_else(|| text(&scenario.home));
        self.dir = self.dir.take().or_else(|| scenario.dir.clone());
        self.clean |= scenario.clean;
        self.besides = scenario;
        Ok(())
    }

    /// Whose rules count.
    pub fn shells(&self) -> Shells {
        self.shell.unwrap_or(Shells::One(Shell::Bash))
    }
}

fn read(path: &Path) -> Result<Scenario, Failure> {
    let unusable = |why: String| Failure::Unusable {
        what: format!("--scenario {}", path.display()),
        why,
        hint: "fizzet walk --missing-as-scenario writes the answers of one".into(),
    };
    let text = fizzet_host::read_script(path).map_err(|error| unusable(error.to_string()))?;
    let text = String::from_utf8(text).map_err(|error| unusable(error.to_string()))?;
    let scenario: Scenario = toml::from_str(&text).map_err(|error| unusable(error.to_string()))?;
    match scenario.answers.iter().find(|one| one.command.is_some() == one.vector.is_some()) {
        Some(_) => {
            Err(unusable("an answer names its command either as command or as vector".into()))
        }
        None => Ok(scenario),
    }
}

fn shell(path: &Path, name: &str) -> Result<Shells, Failure> {
    match (name, Shell::from_name(name)) {
        ("all", _) => Ok(Shells::All),
        (_, Some(shell)) => Ok(Shells::One(shell)),
        _ => Err(Failure::Unusable {
            what: format!("--scenario {}", path.display()),
            why: format!("{name} is none of the shells"),
            hint: "write posix, bash, dash, busybox, ksh93, mksh or zsh".into(),
        }),
    }
}

/// The answers that are missing, as a piece of a scenario.
///
/// # Errors
/// What cannot be written as TOML.
pub fn missing_as_toml(missing: &[Missing]) -> Result<String, Failure> {
    #[derive(Serialize)]
    struct Answers {
        answers: Vec<ScenarioAnswer>,
    }
    let commands = missing.iter().filter_map(|one| one.command.clone());
    let answers: Vec<ScenarioAnswer> = commands
        .map(|command| ScenarioAnswer {
            command: Some(command),
            vector: None,
            output: Some(String::new()),
            status: Some(0),
        })
        .collect();
    if answers.is_empty() {
        return Ok(String::new());
    }
    toml::to_string(&Answers { answers }).map_err(|error| Failure::Unusable {
        what: "--missing-as-scenario".into(),
        why: error.to_string(),
        hint: "leave it out: the messages name what is missing".into(),
    })
}
