//! The document of `view`.

use std::io::Write;

use fizzet_core::receive::read::{Got, Reading};
use fizzet_core::receive::start::Program;
use fizzet_core::receive::view::Element;
use fizzet_core::source::Sources;
use fizzet_core::text::Text;
use serde::Serialize;

use crate::cli::As;
use crate::commands::prove::Proof;
use crate::failure::Failure;
use crate::render::json::places::{Places, VERSION};
use crate::render::json::shape::Arg;
use crate::render::json::written;
use crate::render::view::{Converted, Shown};

/// What `view` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ViewOut<'a> {
    /// The version of the shape.
    fizzet: u32,
    /// Each runtime.
    runtimes: Vec<RuntimeOut<'a>>,
}

/// The vector as one runtime shows it.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct RuntimeOut<'a> {
    /// Its name.
    runtime: &'static str,
    /// The program, as it finds itself named; nothing where it has no name.
    program: Option<String>,
    /// The vector that was launched; files of arguments are read into it.
    launched: Vec<Arg<'a>>,
    /// What the program sees: its name, where it has one among the arguments, and the arguments.
    vector: Vec<NamedArg<'a>>,
    /// The index of the first argument.
    first: usize,
    /// What the usual count says.
    count: i64,
    /// All counts, by how they are written.
    counts: Vec<CountOut>,
    /// Words that the interpreter kept.
    taken: Vec<Arg<'a>>,
    /// Arguments that the interpreter takes for switches of the program.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    switches: Vec<Arg<'a>>,
    /// Whether the program runs once for each line of its input.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    loops: bool,
    /// Why no program runs.
    #[serde(skip_serializing_if = "Option::is_none")]
    ends: Option<EndOut<'a>>,
    /// Arguments that are read in the usual way.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    readings: Vec<ReadingOut<'a>>,
    /// What conversions make of the arguments.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    conversions: Vec<ConversionOut>,
}

/// A count.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct CountOut {
    /// How it is written.
    name: &'static str,
    /// What it says.
    count: i64,
}

/// An argument, by the name that the program has for it.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct NamedArg<'a> {
    /// The name.
    name: &'a str,
    /// The value.
    #[serde(flatten)]
    value: Arg<'a>,
    /// Whether the runtime made other bytes of it.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    changed: bool,
    /// Whether the usual access fails because of its bytes.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    refused: bool,
}

/// Why no program runs.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct EndOut<'a> {
    /// The status, where it is known.
    status: Option<u8>,
    /// Why.
    reason: &'a str,
}

/// An argument that is read in the usual way.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ReadingOut<'a> {
    /// The number of the argument, counted from 1.
    argument: usize,
    /// How it is written.
    form: &'a str,
    /// The value, where there is one.
    #[serde(skip_serializing_if = "Option::is_none")]
    value: Option<Arg<'a>>,
    /// The value for nothing: `undefined`, `nil`, `undef`, `NULL`, or `empty`.
    #[serde(skip_serializing_if = "Option::is_none")]
    nothing: Option<&'static str>,
    /// The error by its name, or the signal.
    #[serde(skip_serializing_if = "Option::is_none")]
    error: Option<&'static str>,
    /// What it says.
    #[serde(skip_serializing_if = "Option::is_none")]
    message: Option<&'a str>,
    /// The exit status of the program.
    #[serde(skip_serializing_if = "Option::is_none")]
    status: Option<u8>,
    /// The number of the string of the environment that is taken for an argument, counted from 0.
    #[serde(skip_serializing_if = "Option::is_none")]
    environment: Option<usize>,
}

/// What a conversion makes of an argument.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ConversionOut {
    /// The number of the argument, counted from 1.
    index: usize,
    /// `int` or `float`.
    #[serde(rename = "as")]
    kind: &'static str,
    /// The runtime.
    language: &'static str,
    /// How it is written.
    form: &'static str,
    /// The value.
    #[serde(skip_serializing_if = "Option::is_none")]
    value: Option<String>,
    /// The error by its name.
    #[serde(skip_serializing_if = "Option::is_none")]
    error: Option<&'static str>,
    /// Where it stops, in bytes.
    #[serde(skip_serializing_if = "Option::is_none")]
    stops: Option<usize>,
    /// Whether errno becomes ERANGE.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    out_of_range: bool,
}

/// Writes the document of `view`.
///
/// # Errors
/// What the writer says.
pub fn view(sources: &Sources, shown: &[Shown], out: &mut dyn Write) -> Result<(), Failure> {
    let places = Places::new(sources, &[]);
    let runtimes = shown.iter().map(|one| runtime(&places, one)).collect();
    written(&ViewOut { fizzet: VERSION, runtimes }, out)
}

fn runtime<'a>(places: &'a Places<'a>, shown: &'a Shown) -> RuntimeOut<'a> {
    let view = &shown.view;
    let started = &view.started;
    let args = |texts: &'a [Text]| texts.iter().map(|text| places.arg(text)).collect();
    let named = |element: &'a Element| NamedArg {
        name: &element.name,
        value: places.arg(&element.text),
        changed: element.changed,
        refused: element.is_refused(view.runtime),
    };
    let elements = view.programs.iter().chain(&view.arguments);
    RuntimeOut {
        runtime: view.runtime.name,
        program: view
            .programs
            .last()
            .map(|one| String::from_utf8_lossy(one.text.bytes()).into_owned()),
        launched: args(&started.argv),
        vector: elements.map(named).collect(),
        first: view.first,
        count: view.counts.first().map_or(0, |(_, count)| *count),
        counts: view.counts.iter().map(|&(name, count)| CountOut { name, count }).collect(),
        taken: args(&started.argv[started.taken()]),
        switches: args(&started.argv[started.switches.clone()]),
        loops: started.loops,
        ends: match &started.program {
            Program::Nothing(status, reason) => Some(EndOut { status: *status, reason }),
            _ => None,
        },
        readings: shown.readings.iter().map(|one| reading(places, one)).collect(),
        conversions: shown.conversions.iter().map(conversion).collect(),
    }
}

fn reading<'a>(places: &'a Places<'a>, reading: &'a Reading) -> ReadingOut<'a> {
    let mut out = ReadingOut {
        argument: reading.number,
        form: &reading.form,
        value: None,
        nothing: None,
        error: None,
        message: None,
        status: None,
        environment: None,
    };
    match &reading.got {
        Got::Text(text) => out.value = Some(places.arg(text)),
        Got::Empty => out.nothing = Some("empty"),
        Got::Nothing(name) => out.nothing = Some(name),
        Got::Fails(name, message, status) => {
            (out.error, out.message, out.status) =
                (Some(*name), Some(message.as_str()), Some(*status));
        }
        Got::Killed(signal, why) => (out.error, out.message) = (Some(*signal), Some(*why)),
        Got::Environment(number) => out.environment = Some(*number),
        Got::Chance => out.error = Some("undefined behaviour"),
    }
    out
}

fn conversion(one: &Converted) -> ConversionOut {
    let shown = one.outcome.shown();
    ConversionOut {
        index: one.number,
        kind: if one.kind == As::Int { "int" } else { "float" },
        language: one.language,
        form: one.form,
        error: shown.as_ref().err().copied(),
        value: shown.ok(),
        stops: one.outcome.stops,
        out_of_range: one.outcome.out_of_range,
    }
}

/// What `view --prove` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ProofsOut<'a> {
    /// The version of the shape.
    fizzet: u32,
    /// Whether every receiver that was run saw what is predicted.
    holds: bool,
    /// Each runtime.
    runtimes: Vec<ProofOut<'a>>,
}

/// What is predicted for one runtime, and what its receiver saw.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ProofOut<'a> {
    /// Its name.
    runtime: &'static str,
    /// Whether the two are the same; nothing where the runtime is not here.
    holds: Option<bool>,
    /// Names and values as they are predicted.
    predicted: Vec<NamedArg<'a>>,
    /// The records that the receiver told: a name, a blank and a value each.
    #[serde(skip_serializing_if = "Option::is_none")]
    seen: Option<Vec<Arg<'a>>>,
}

/// Writes the document of `view --prove`.
///
/// # Errors
/// What the writer says.
pub fn proofs(proofs: &[Proof], out: &mut dyn Write) -> Result<(), Failure> {
    let runtimes = proofs.iter().map(|proof| ProofOut {
        runtime: proof.runtime.name,
        holds: proof.holds(),
        predicted: proof.predicted.iter().map(predicted).collect(),
        seen: proof
            .seen
            .as_ref()
            .map(|seen| seen.iter().map(|one| Arg::of_bytes(one, None, false)).collect()),
    });
    let holds = proofs.iter().all(|proof| proof.holds() != Some(false));
    written(&ProofsOut { fizzet: VERSION, holds, runtimes: runtimes.collect() }, out)
}

fn predicted((name, value): &(String, Vec<u8>)) -> NamedArg<'_> {
    NamedArg { name, value: Arg::of_bytes(value, None, false), changed: false, refused: false }
}
