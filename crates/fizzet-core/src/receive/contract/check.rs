//! Whether a vector satisfies a contract.

use crate::host::Files;
use crate::receive::contract::reading::{Mistake, Reading, read};
use crate::receive::contract::{Contract, Kind};
use crate::receive::convert::scan::{decimal, digits, sign};

/// A reason why a vector does not satisfy a contract.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Problem {
    /// What kind of reason it is.
    pub name: &'static str,
    /// The element that it is about, if one is there.
    pub element: Option<usize>,
    /// The option or operand that it is about, by the name of its value.
    pub about: Option<String>,
    /// What it is, in plain words.
    pub message: String,
}

/// A value by its name.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Value {
    /// The name.
    pub name: String,
    /// What it has to be; nothing for an option that takes no value.
    pub kind: Option<Kind>,
    /// The values, in order, and the elements that hold them.
    pub values: Vec<(Option<usize>, Vec<u8>)>,
    /// How many times it was given.
    pub times: usize,
}

/// A vector held against a contract.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Outcome {
    /// Which element is what.
    pub reading: Reading,
    /// The values by name, in the order of the contract: options, then operands.
    pub values: Vec<Value>,
    /// Why it does not satisfy the contract; none if it does.
    pub problems: Vec<Problem>,
}

/// Holds a vector against a contract; files are looked up where a rule asks for one.
pub fn check(contract: &Contract, vector: &[Vec<u8>], files: &dyn Files) -> Outcome {
    let reading = read(contract, vector);
    let mut problems: Vec<Problem> =
        reading.mistakes.iter().map(|mistake| told(contract, mistake)).collect();
    let values = values(contract, vector, &reading);
    options(contract, &reading, &values, &mut problems);
    types(contract, &values, files, &mut problems);
    operands(contract, vector, &reading, &mut problems);
    Outcome { reading, values, problems }
}

fn problem(name: &'static str, element: Option<usize>, about: &str, message: String) -> Problem {
    Problem { name, element, about: Some(about.to_owned()).filter(|one| !one.is_empty()), message }
}

fn told(contract: &Contract, mistake: &Mistake) -> Problem {
    let option = |at: &usize| &contract.options[*at];
    let written = |at: &usize| option(at).written(&contract.convention);
    match mistake {
        Mistake::Unknown(element, shown) => {
            problem("unknown-option", Some(*element), "", format!("there is no option {shown}"))
        }
        Mistake::Ambiguous(element, shown, candidates) => problem(
            "ambiguous-option",
            Some(*element),
            "",
            format!("{shown} can be {}", candidates.join(" or ")),
        ),
        Mistake::NoValue(element, at) => problem(
            "missing-value",
            Some(*element),
            &option(at).name,
            format!("{} wants a value, and nothing follows", written(at)),
        ),
        Mistake::TakesNone(element, at) => problem(
            "unwanted-value",
            Some(*element),
            &option(at).name,
            format!("{} takes no value", written(at)),
        ),
        Mistake::NotAttached(element, at) => problem(
            "attached-value",
            Some(*element),
            &option(at).name,
            format!("the value of {} has to be a word of its own", written(at)),
        ),
        Mistake::NotClustered(element) => problem(
            "clustered-options",
            Some(*element),
            "",
            "each option has to be a word of its own".into(),
        ),
    }
}

fn values(contract: &Contract, vector: &[Vec<u8>], reading: &Reading) -> Vec<Value> {
    let mut all: Vec<Value> = Vec::new();
    for (at, rule) in contract.options.iter().enumerate() {
        let given = reading.given.iter().filter(|one| one.option == at);
        let times = given.clone().count();
        let given = given.filter_map(|one| one.value.as_ref());
        let mut values: Vec<(Option<usize>, Vec<u8>)> = given
            .map(|(element, bytes)| (Some(*element), vector[*element][bytes.clone()].to_vec()))
            .collect();
        if let (0, Some(default)) = (times, &rule.default) {
            values.push((None, default.clone().into_bytes()));
        }
        let kind = rule.value.is_some().then_some(rule.kind);
        all.push(Value { name: rule.name.clone(), kind, values, times });
    }
    for (at, rule) in contract.operands.iter().enumerate() {
        let taken = reading.operands.iter().filter(|(_, number)| *number == Some(at));
        let values: Vec<_> =
            taken.map(|&(element, _)| (Some(element), vector[element].clone())).collect();
        let times = values.len();
        all.push(Value { name: rule.name.clone(), kind: Some(rule.kind), values, times });
    }
    all
}

/// What has to be given, what only once, what excludes or needs what.
fn options(contract: &Contract, reading: &Reading, values: &[Value], problems: &mut Vec<Problem>) {
    let is_given = |name: &String| {
        values[..contract.options.len()].iter().any(|one| one.name == *name && one.times > 0)
    };
    let written_of = |name: &String| {
        let found = contract.options.iter().find(|one| one.name == *name);
        found.map_or(name.clone(), |one| one.written(&contract.convention))
    };
    for (at, rule) in contract.options.iter().enumerate() {
        let written = rule.written(&contract.convention);
        let times = values[at].times;
        let last = reading.given.iter().rfind(|one| one.option == at).map(|one| one.element);
        if times == 0 {
            if rule.required {
                problems.push(problem(
                    "missing-option",
                    None,
                    &rule.name,
                    format!("{written} has to be given"),
                ));
            }
            continue;
        }
        if times > 1 && !rule.repeats {
            let message = format!("{written} is given {times} times, and may be given once");
            problems.push(problem("repeated-option", last, &rule.name, message));
        }
        for other in rule.excludes.iter().filter(|other| is_given(other)) {
            let message = format!("{written} and {} exclude each other", written_of(other));
            problems.push(problem("excluded-option", last, &rule.name, message));
        }
        for other in rule.needs.iter().filter(|other| !is_given(other)) {
            let message = format!("{written} needs {}", written_of(other));
            problems.push(problem("needed-option", last, &rule.name, message));
        }
    }
}

/// Whether each value is what it has to be.
fn types(contract: &Contract, values: &[Value], files: &dyn Files, problems: &mut Vec<Problem>) {
    let choices = contract.options.iter().map(|one| &one.choices);
    let choices = choices.chain(contract.operands.iter().map(|one| &one.choices));
    for (value, choices) in values.iter().zip(choices) {
        for (element, bytes) in &value.values {
            let shown = String::from_utf8_lossy(bytes);
            if let Some(wanted) = value.kind.and_then(|kind| unlike(kind, bytes, files)) {
                let message = format!("`{shown}` is {wanted}");
                problems.push(problem("ill-typed", *element, &value.name, message));
            }
            if !choices.is_empty() && !choices.iter().any(|choice| choice.as_bytes() == bytes) {
                let message = format!("`{shown}` is none of {}", choices.join(", "));
                problems.push(problem("no-choice", *element, &value.name, message));
            }
        }
    }
}

/// Why a text is not of a kind; nothing if it is.
fn unlike(kind: Kind, bytes: &[u8], files: &dyn Files) -> Option<&'static str> {
    let number = &bytes[sign(bytes).1..];
    match kind {
        Kind::Text => None,
        Kind::Int => {
            let is_whole = !number.is_empty() && digits(number, 10) == number.len();
            (!is_whole).then_some("no whole number")
        }
        Kind::Float => {
            let is_real = decimal(number).is_some_and(|found| found.length == number.len());
            (!is_real).then_some("no number")
        }
        Kind::Path => (!files.exists(bytes)).then_some("not there"),
        Kind::Folder if !files.exists(bytes) => Some("not there"),
        Kind::Folder => (!files.is_folder(bytes)).then_some("no folder"),
        Kind::File if !files.exists(bytes) => Some("not there"),
        Kind::File => files.is_folder(bytes).then_some("a folder, and has to be a file"),
    }
}

/// Which operands are missing, and which are left over.
fn operands(
    contract: &Contract,
    vector: &[Vec<u8>],
    reading: &Reading,
    problems: &mut Vec<Problem>,
) {
    for (at, rule) in contract.operands.iter().enumerate() {
        let count = reading.operands.iter().filter(|(_, number)| *number == Some(at)).count();
        if count < rule.from {
            let message = match (rule.from - count, rule.from) {
                (1, 1) => format!("{} is missing", rule.name),
                (missing, _) => format!("{missing} more of {} are missing", rule.name),
            };
            problems.push(problem("missing-operand", None, &rule.name, message));
        }
    }
    for &(element, number) in &reading.operands {
        if number.is_none() {
            let shown = String::from_utf8_lossy(&vector[element]);
            let message = format!("`{shown}` is one operand too many");
            problems.push(problem("left-over", Some(element), "", message));
        }
    }
}
