//! The document of `shebang` and `exec`.

use std::borrow::Cow;
use std::io::Write;

use fizzet_core::dialect::{Reader, UnknownFiles};
use fizzet_core::kernel::Errno;
use fizzet_core::kernel::call::faults::Fault;
use fizzet_core::kernel::call::function::Call;
use fizzet_core::kernel::chain::{End, Hop, HopKind, Launch};
use fizzet_core::kernel::exec::Execution;
use fizzet_core::kernel::fallback::callers;
use fizzet_core::kernel::path::Tried;
use fizzet_core::kernel::remarks::remarks;
use fizzet_core::kernel::systems::{Evidence, SYSTEMS, System, Words};
use fizzet_core::source::{Sources, Span};
use fizzet_core::text::Text;
use fizzet_core::trace::Trace;
use serde::Serialize;

use crate::failure::Failure;
use crate::render::json::places::{Places, VERSION};
use crate::render::json::shape::{Arg, Line, Made, Place};
use crate::render::json::written;

/// What `shebang` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct LaunchOut<'a> {
    /// The version of the shape.
    fizzet: u32,
    /// How it ends.
    #[serde(flatten)]
    outcome: OutcomeOut<'a>,
    /// The vector in the end; what it was when it failed.
    argv: Vec<Arg<'a>>,
    /// How many elements it has.
    argc: usize,
    /// The files on the way, in order.
    hops: Vec<HopStep<'a>>,
    /// What people should know.
    notes: Vec<RemarkOut<'a>>,
    /// What callers make of a file that the kernel does not know; only with ENOEXEC.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    callers: Vec<CallerOut>,
}

/// What one caller makes of ENOEXEC.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct CallerOut {
    /// Its name.
    caller: &'static str,
    /// What reads the file as a script: `sh`, `itself`, or `nothing`.
    reader: &'static str,
}

/// The callers, for a file that begins so.
fn callers_out(launch: &Launch, head: &[u8]) -> Vec<CallerOut> {
    let unknown = matches!(&launch.end, End::Fails(failure) if failure.errno == Errno::ENOEXEC);
    let all = callers().filter(|_| unknown);
    let out = |(caller, files): (&'static str, UnknownFiles)| CallerOut {
        caller,
        reader: match files.reader_of(head) {
            Some(Reader::Sh) => "sh",
            Some(Reader::Itself) => "itself",
            None => "nothing",
        },
    };
    all.map(out).collect()
}

/// How it ends.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
#[serde(tag = "outcome", rename_all = "kebab-case")]
pub enum OutcomeOut<'a> {
    /// A program starts.
    Runs {
        /// Its path.
        path: Arg<'a>,
    },
    /// Nothing is executed.
    Fails {
        /// The error.
        errno: &'static str,
        /// What the matter is.
        reason: Cow<'a, str>,
        /// The file that is the matter.
        path: Arg<'a>,
    },
    /// The shell reads the file itself as a script.
    ReadByShell {
        /// The path.
        path: Arg<'a>,
    },
    /// Files call each other for ever.
    Endless,
    /// `env` refuses what it was given.
    EnvRefuses {
        /// What the matter is.
        reason: Cow<'a, str>,
        /// Its exit status.
        status: u8,
    },
}

/// A file on the way.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct HopStep<'a> {
    /// `script`, `env`, `search` or `unknown`.
    kind: &'static str,
    /// Its path.
    path: Arg<'a>,
    /// Where the interpreter is named.
    #[serde(skip_serializing_if = "Option::is_none")]
    interpreter: Option<Made<Place<'a>>>,
    /// Where the optional argument stands.
    #[serde(skip_serializing_if = "Option::is_none")]
    argument: Option<Made<Place<'a>>>,
    /// The paths that were tried.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    tried: Vec<TriedOut<'a>>,
    /// The vector behind this hop.
    argv: Vec<Arg<'a>>,
}

/// A path that was tried.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct TriedOut<'a> {
    /// The path.
    path: Arg<'a>,
    /// The error, if it was refused.
    #[serde(skip_serializing_if = "Option::is_none")]
    errno: Option<&'static str>,
}

/// A remark.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct RemarkOut<'a> {
    /// Its name.
    name: &'static str,
    /// What there is to know.
    text: String,
    /// Where.
    #[serde(skip_serializing_if = "Option::is_none")]
    source: Option<Made<Place<'a>>>,
}

impl<'a> TriedOut<'a> {
    pub(super) fn of(tried: &'a Tried) -> TriedOut<'a> {
        let errno = tried.refused.as_ref().map(|(errno, _)| errno.name());
        TriedOut { path: Arg::of_bytes(&tried.path, None, false), errno }
    }
}

impl<'a> Places<'a> {
    pub(super) fn launch(&'a self, launch: &'a Launch) -> LaunchOut<'a> {
        let outcome = match &launch.end {
            End::Runs { path, .. } => OutcomeOut::Runs { path: Arg::of_bytes(path, None, false) },
            End::Fails(failure) => OutcomeOut::Fails {
                errno: failure.errno.name(),
                reason: (&*failure.why).into(),
                path: Arg::of_bytes(&failure.path, None, false),
            },
            End::ReadByShell { path } => {
                OutcomeOut::ReadByShell { path: Arg::of_bytes(path, None, false) }
            }
            End::Endless => OutcomeOut::Endless,
            End::EnvRefuses { why, status } => {
                OutcomeOut::EnvRefuses { reason: (&**why).into(), status: *status }
            }
        };
        let note = |remark: fizzet_core::kernel::remarks::Remark| RemarkOut {
            name: remark.name,
            text: remark.text,
            source: remark.place.map(|place| self.place(place)),
        };
        LaunchOut {
            fizzet: VERSION,
            outcome,
            argv: self.all(&launch.argv),
            argc: launch.argv.len(),
            hops: launch.hops.iter().map(|hop| self.hop_step(hop)).collect(),
            notes: remarks(launch, self.sources).into_iter().map(note).collect(),
            callers: Vec::new(),
        }
    }

    fn all(&'a self, texts: &'a [Text]) -> Vec<Arg<'a>> {
        texts.iter().map(|text| self.arg(text)).collect()
    }

    fn hop_step(&'a self, hop: &'a Hop) -> HopStep<'a> {
        let (kind, line, tried) = match &hop.kind {
            HopKind::Script { line, source } => ("script", Some((line, *source)), &[][..]),
            HopKind::Search { tried } => ("search", None, &tried[..]),
            HopKind::Env { .. } => ("env", None, &[][..]),
            HopKind::Unknown => ("unknown", None, &[][..]),
        };
        let interpreter = line.map(|(line, source)| {
            self.place(Span::new(source, line.interpreter.start, line.interpreter.end))
        });
        let argument = line.and_then(|(line, source)| {
            let argument = line.argument.as_ref()?;
            Some(self.place(Span::new(source, argument.start, argument.end)))
        });
        HopStep {
            kind,
            path: Arg::of_bytes(&hop.path, None, false),
            interpreter,
            argument,
            tried: tried.iter().map(TriedOut::of).collect(),
            argv: self.all(&hop.argv),
        }
    }
}

/// Writes the document of `shebang`; `head` is the start of the file.
///
/// # Errors
/// What the writer says.
pub fn launch(
    sources: &Sources,
    launch: &Launch,
    head: &[u8],
    out: &mut dyn Write,
) -> Result<(), Failure> {
    let places = Places::new(sources, &[]);
    let document = LaunchOut { callers: callers_out(launch, head), ..places.launch(launch) };
    written(&document, out)
}

/// What `exec` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct ExecOut<'a> {
    /// The function.
    function: &'static str,
    /// The vector that the call hands over.
    handed: Vec<Arg<'a>>,
    /// The environment that the call hands over, where it is not the caller's own.
    #[serde(skip_serializing_if = "Option::is_none")]
    environment: Option<Vec<Arg<'a>>>,
    /// What goes wrong.
    faults: Vec<RemarkOut<'a>>,
    /// What comes of it.
    #[serde(flatten)]
    outcome: ExecOutcome<'a>,
    /// What `sh` makes of the text of `system` and `popen`.
    #[serde(skip_serializing_if = "Option::is_none")]
    sh: Option<Line<'a>>,
}

/// What comes of a call.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
#[serde(untagged)]
pub enum ExecOutcome<'a> {
    /// As with `shebang`.
    Traced(Box<LaunchOut<'a>>),
    /// It is left to chance.
    LeftToChance {
        /// The version of the shape.
        fizzet: u32,
        /// `undefined`.
        outcome: &'static str,
        /// Why.
        reason: &'static str,
    },
}

/// Writes the document of `exec`.
///
/// # Errors
/// What the writer says.
pub fn exec(
    sources: &Sources,
    call: &Call,
    execution: &Execution,
    faults: &[Fault],
    shell: Option<&Trace>,
    out: &mut dyn Write,
) -> Result<(), Failure> {
    let places = Places::new(sources, &[]);
    let inner = shell.map(|trace| Places::new(&trace.sources, &[]));
    let fault = |fault: &Fault| RemarkOut {
        name: fault.name,
        text: fault.text.clone(),
        source: Some(places.place(fault.place)),
    };
    let document = ExecOut {
        function: call.function.name,
        handed: places.all(&execution.handed),
        environment: execution.environment.as_deref().map(|texts| places.all(texts)),
        faults: faults.iter().map(fault).collect(),
        outcome: match &execution.launch {
            Some(launch) => ExecOutcome::Traced(Box::new(places.launch(launch))),
            None => ExecOutcome::LeftToChance {
                fizzet: VERSION,
                outcome: "undefined",
                reason: "a null pointer is missing at the end",
            },
        },
        sh: shell.zip(inner.as_ref()).map(|(trace, inner)| inner.line(trace)),
    };
    written(&document, out)
}

/// What `shebang --system` prints.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SystemsOut<'a> {
    /// The version of the shape.
    fizzet: u32,
    /// The systems.
    systems: Vec<SystemOut<'a>>,
}

/// What one system makes of a line.
#[derive(Serialize)]
#[cfg_attr(any(test, feature = "schema"), derive(schemars::JsonSchema))]
pub struct SystemOut<'a> {
    /// Its name.
    system: &'static str,
    /// The interpreter and its arguments; nothing where it takes none.
    words: Option<Vec<Arg<'a>>>,
    /// Whether each word behind the interpreter is an argument of its own.
    splits: bool,
    /// How many bytes of the line count.
    limit: usize,
    /// How many scripts may stand behind one another, where that is certain.
    #[serde(skip_serializing_if = "Option::is_none")]
    nested: Option<usize>,
    /// `observed` or `documented`.
    evidence: &'static str,
    /// Where this comes from.
    evidence_source: &'static str,
}

/// Writes the document of `shebang --system`.
///
/// # Errors
/// What the writer says.
pub fn systems(head: &[u8], named: &str, out: &mut dyn Write) -> Result<(), Failure> {
    let chosen: Vec<&System> =
        SYSTEMS.iter().filter(|system| named == "all" || system.name == named).collect();
    let made: Vec<Option<Vec<Vec<u8>>>> = chosen.iter().map(|one| one.words_of(head)).collect();
    let mut systems = Vec::new();
    for (system, words) in chosen.iter().zip(&made) {
        systems.push(SystemOut {
            system: system.name,
            words: words.as_ref().map(|words| args(words)),
            splits: system.words == Words::Each,
            limit: system.limit,
            nested: system.nested,
            evidence: match system.evidence {
                Evidence::Observed => "observed",
                Evidence::Documented => "documented",
            },
            evidence_source: system.source,
        });
    }
    let document = SystemsOut { fizzet: VERSION, systems };
    written(&document, out)
}

fn args(words: &[Vec<u8>]) -> Vec<Arg<'_>> {
    words.iter().map(|word| Arg::of_bytes(word, None, false)).collect()
}
