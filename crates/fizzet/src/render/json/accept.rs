//! The document of `accept`.

use std::collections::BTreeMap;
use std::io::Write;

use fizzet_core::receive::contract::check::Value;
use fizzet_core::receive::contract::usage;
use serde::Serialize;

use crate::failure::Failure;
use crate::render::accept::{Judged, about};
use crate::render::json::places::VERSION;
use crate::render::json::shape::Arg;
use crate::render::json::written;

/// What `accept` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct AcceptOut<'a> {
    /// The version of the shape.
    fizzet: u32,
    /// Whether the vector satisfies the contract.
    satisfied: bool,
    /// The vector.
    argv: Vec<Arg<'a>>,
    /// What each part of each element is, in order: together they cover the vector.
    roles: Vec<RoleOut<'a>>,
    /// The values by name.
    values: BTreeMap<&'a str, ValueOut<'a>>,
    /// What is wrong.
    problems: Vec<ProblemOut<'a>>,
    /// What quotes would mend in the line; only with `--from-line`.
    #[serde(skip_serializing_if = "Option::is_none")]
    mend: Option<MendOut<'a>>,
    /// The usage on one line.
    usage: String,
    /// The help text, row by row.
    help: Vec<String>,
}

/// What some bytes of an element are.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct RoleOut<'a> {
    /// The element.
    index: usize,
    /// The first byte of it.
    start: usize,
    /// The byte behind the last.
    end: usize,
    /// `program`, `option`, `value`, `operand`, `separator`, `left-over` or `unknown`.
    role: &'static str,
    /// The option or operand.
    #[serde(skip_serializing_if = "Option::is_none")]
    name: Option<&'a str>,
}

/// The values of an option or an operand.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ValueOut<'a> {
    /// What they have to be; nothing for an option that takes no value.
    #[serde(rename = "type")]
    kind: Option<&'static str>,
    /// How many times it was given.
    times: usize,
    /// The values, in order.
    values: Vec<Arg<'a>>,
    /// Whether the value is the one of the contract, because none was given.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    default: bool,
}

/// What is wrong.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ProblemOut<'a> {
    /// What kind of reason it is.
    problem: &'static str,
    /// The element that it is about.
    #[serde(skip_serializing_if = "Option::is_none")]
    index: Option<usize>,
    /// The option or operand that it is about.
    #[serde(skip_serializing_if = "Option::is_none")]
    name: Option<&'a str>,
    /// What it is, in plain words.
    message: &'a str,
}

/// What quotes would mend.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct MendOut<'a> {
    /// The words that fell apart, as they are written.
    words: Vec<Arg<'a>>,
    /// The line with quotes around them.
    line: Option<Arg<'a>>,
    /// Whether its vector satisfies the contract.
    mends: bool,
}

/// Writes the document of `accept`.
///
/// # Errors
/// What the writer says.
pub fn accept(judged: &Judged<'_>, out: &mut dyn Write) -> Result<(), Failure> {
    let plain = |bytes| Arg::of_bytes(bytes, None, false);
    let outcome = &judged.outcome;
    let value = |value: &'_ Value| -> (usize, bool) {
        (value.times, value.times == 0 && !value.values.is_empty())
    };
    let values = outcome.values.iter().map(|one| {
        let (times, default) = value(one);
        let values = one.values.iter().map(|(_, bytes)| plain(bytes)).collect();
        (
            one.name.as_str(),
            ValueOut { kind: one.kind.map(|kind| kind.name()), times, values, default },
        )
    });
    let role = outcome.reading.roles.iter().map(|role| RoleOut {
        index: role.element,
        start: role.bytes.start,
        end: role.bytes.end,
        role: role.kind.name(),
        name: about(judged.contract, role.kind),
    });
    let document = AcceptOut {
        fizzet: VERSION,
        satisfied: outcome.problems.is_empty(),
        argv: judged.vector.iter().map(|one| plain(one)).collect(),
        roles: role.collect(),
        values: values.collect(),
        problems: outcome
            .problems
            .iter()
            .map(|one| ProblemOut {
                problem: one.name,
                index: one.element,
                name: one.about.as_deref(),
                message: &one.message,
            })
            .collect(),
        mend: judged.mend.as_ref().map(|mend| MendOut {
            words: mend.words.iter().map(|(word, _)| plain(word)).collect(),
            line: mend.line.as_deref().map(plain),
            mends: mend.mends,
        }),
        usage: usage::line(judged.contract),
        help: usage::help(judged.contract),
    };
    written(&document, out)
}
