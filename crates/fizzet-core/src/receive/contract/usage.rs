//! The usage line and the help text of a contract.

use crate::receive::contract::{Contract, Kind, OperandRule, OptionRule};

/// The usage on one line.
pub fn line(contract: &Contract) -> String {
    let mut words = vec![contract.program.clone()];
    for rule in &contract.options {
        let written = option(contract, rule);
        let again = if rule.repeats { "..." } else { "" };
        words.push(match rule.required {
            true => format!("{written}{again}"),
            false => format!("[{written}]{again}"),
        });
    }
    if contract.convention.separator
        && !contract.options.is_empty()
        && !contract.operands.is_empty()
    {
        words.push("[--]".into());
    }
    words.extend(contract.operands.iter().map(operand));
    words.join(" ")
}

/// An option with its value, as it is written.
fn option(contract: &Contract, rule: &OptionRule) -> String {
    let name = match rule.short {
        Some(short) => format!("-{}", char::from(short)),
        None => rule.written(&contract.convention),
    };
    match (&rule.value, rule.short) {
        (Some(value), Some(_)) => format!("{name} {value}"),
        (Some(value), None) if contract.convention.equals => format!("{name}={value}"),
        (Some(value), None) => format!("{name} {value}"),
        (None, _) => name,
    }
}

fn operand(rule: &OperandRule) -> String {
    let name = rule.name.to_uppercase();
    match (rule.from, rule.to) {
        (1, Some(1)) => name,
        (0, Some(1)) => format!("[{name}]"),
        (0, _) => format!("[{name}...]"),
        _ => format!("{name}..."),
    }
}

/// The help text, in rows: what it does, the usage, each option, each operand.
pub fn help(contract: &Contract) -> Vec<String> {
    let mut rows = Vec::new();
    if !contract.about.is_empty() {
        rows.push(contract.about.clone());
        rows.push(String::new());
    }
    rows.push(format!("usage: {}", line(contract)));
    let options: Vec<(String, String)> =
        contract.options.iter().map(|rule| (names(contract, rule), option_text(rule))).collect();
    let operands: Vec<(String, String)> = contract
        .operands
        .iter()
        .map(|rule| (rule.name.to_uppercase(), operand_text(rule)))
        .collect();
    let all = options.iter().chain(&operands);
    let widest = all.map(|(name, _)| name.chars().count()).max().unwrap_or(0).min(32);
    for (title, part) in [("options", options), ("operands", operands)] {
        if part.is_empty() {
            continue;
        }
        rows.push(String::new());
        rows.push(format!("{title}:"));
        rows.extend(
            part.iter()
                .map(|(name, text)| format!("  {name:<widest$}  {text}").trim_end().to_owned()),
        );
    }
    rows
}

fn names(contract: &Contract, rule: &OptionRule) -> String {
    let short = rule.short.map(|short| format!("-{}", char::from(short)));
    let long = rule.long.is_some().then(|| rule.written(&contract.convention));
    let value = rule.value.as_ref().map_or(String::new(), |value| format!(" {value}"));
    let names: Vec<String> = short.into_iter().chain(long).collect();
    format!("{}{value}", names.join(", "))
}

fn option_text(rule: &OptionRule) -> String {
    let mut parts: Vec<String> = Vec::new();
    parts.extend(Some(rule.about.clone()).filter(|about| !about.is_empty()));
    if rule.value.is_some() && rule.kind != Kind::Text {
        parts.push(rule.kind.name().into());
    }
    if !rule.choices.is_empty() {
        parts.push(format!("one of {}", rule.choices.join(", ")));
    }
    parts.extend(rule.default.as_ref().map(|default| format!("{default} if it is not given")));
    if rule.required {
        parts.push("has to be given".into());
    }
    if rule.repeats {
        parts.push("several times".into());
    }
    if !rule.excludes.is_empty() {
        parts.push(format!("not with {}", rule.excludes.join(", ")));
    }
    if !rule.needs.is_empty() {
        parts.push(format!("only with {}", rule.needs.join(", ")));
    }
    parts.join("; ")
}

fn operand_text(rule: &OperandRule) -> String {
    let mut parts: Vec<String> = Vec::new();
    parts.extend(Some(rule.about.clone()).filter(|about| !about.is_empty()));
    if rule.kind != Kind::Text {
        parts.push(rule.kind.name().into());
    }
    if !rule.choices.is_empty() {
        parts.push(format!("one of {}", rule.choices.join(", ")));
    }
    parts.push(match (rule.from, rule.to) {
        (1, Some(1)) => String::new(),
        (0, Some(1)) => "may be left out".into(),
        (from, None) => format!("{from} or more"),
        (from, Some(to)) if from == to => format!("exactly {from}"),
        (from, Some(to)) => format!("{from} to {to}"),
    });
    parts.retain(|part| !part.is_empty());
    parts.join("; ")
}
