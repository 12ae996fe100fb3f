//! From values back to a vector, and a vector in another order.

use std::collections::BTreeMap;

use crate::receive::contract::reading::{Reading, RoleKind};
use crate::receive::contract::{Contract, OptionRule};

/// A vector from values by name: options first, each in the form that its rule and the convention allow.
/// An option without a value stands as often as there are values for it, whatever they are.
///
/// # Errors
/// A value that cannot be written so that the parser reads it back: what the matter is.
pub fn build(
    contract: &Contract,
    values: &BTreeMap<String, Vec<Vec<u8>>>,
) -> Result<Vec<Vec<u8>>, String> {
    let mut vector = vec![contract.program.clone().into_bytes()];
    for rule in &contract.options {
        for value in values.get(&rule.name).into_iter().flatten() {
            vector.extend(option(contract, rule, value)?);
        }
    }
    let operands = contract.operands.iter().filter_map(|rule| values.get(&rule.name)).flatten();
    let operands: Vec<&Vec<u8>> = operands.collect();
    if operands.iter().any(|one| one.starts_with(b"-") && one.as_slice() != b"-") {
        if !contract.convention.separator {
            return Err("an operand begins with a dash, and nothing ends the options".into());
        }
        vector.push(b"--".to_vec());
    }
    vector.extend(operands.into_iter().cloned());
    Ok(vector)
}

fn option(contract: &Contract, rule: &OptionRule, value: &[u8]) -> Result<Vec<Vec<u8>>, String> {
    let convention = &contract.convention;
    let name = match (&rule.long, rule.short) {
        (None, None) => return Err(format!("{} has neither a letter nor a long name", rule.name)),
        _ => rule.written(convention).into_bytes(),
    };
    if rule.value.is_none() {
        return Ok(vec![name]);
    }
    Ok(match rule.long.is_some() && convention.equals {
        true => vec![[&name, &b"="[..], value].concat()],
        false => vec![name, value.to_vec()],
    })
}

/// The same vector with its options before its operands; each element is kept.
pub fn options_first(vector: &[Vec<u8>], reading: &Reading) -> Vec<Vec<u8>> {
    let is_operand = |at: usize| reading.operands.iter().any(|(element, _)| *element == at);
    let separator = reading.roles.iter().find(|role| role.kind == RoleKind::Separator);
    let separator = separator.map(|role| role.element);
    let mut moved = Vec::with_capacity(vector.len());
    let others = (0..vector.len()).filter(|&at| !is_operand(at) && Some(at) != separator);
    moved.extend(others.map(|at| vector[at].clone()));
    moved.extend(separator.map(|at| vector[at].clone()));
    moved.extend(reading.operands.iter().map(|(at, _)| vector[*at].clone()));
    moved
}
