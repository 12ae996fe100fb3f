//! What comes of a call: which file runs with which vector and environment, or which error.

use crate::host::Programs;
use crate::kernel::call::faults::is_undefined;
use crate::kernel::call::function::{Call, Form, Naming};
use crate::kernel::call::value::{Value, ValueKind};
use crate::kernel::chain::{Caller, Launch, Request, launch};
use crate::kernel::env::variable;
use crate::lineage::{Origin, Rule};
use crate::source::{SourceKind, Sources, Span};
use crate::text::{Standing, Text};

/// What comes of a call.
#[derive(Clone, Debug)]
pub struct Execution {
    /// The way into the kernel; nothing where the vector has no end.
    pub launch: Option<Launch>,
    /// The vector as the call hands it over.
    pub handed: Vec<Text>,
    /// The environment that the call hands over; nothing for the caller's own.
    pub environment: Option<Vec<Text>>,
    /// The text that `sh -c` evaluates.
    pub shell_text: Option<Text>,
}

/// Follows a call; `environment` is the caller's own, `stack` the stack limit in bytes.
pub fn execute(
    call: &Call,
    host: &dyn Programs,
    sources: &mut Sources,
    environment: &[Vec<u8>],
    stack: Option<u64>,
) -> Execution {
    let handed_on: Option<Vec<Text>> =
        call.environment.as_ref().map(|(values, _)| values.iter().map(text).collect());
    let passed: Vec<Vec<u8>> = match &handed_on {
        None => environment.to_vec(),
        Some(texts) => texts.iter().map(|text| text.bytes().to_vec()).collect(),
    };
    let (path, argv, caller, shell_text) = match call.function.form {
        Form::ShellText => {
            let source = sources.add(SourceKind::Shell, b"/bin/sh sh -c");
            let word = |start: usize, end: usize, word: &[u8]| {
                let origin = Origin::new(Rule::Given, Span::new(source, start, end));
                Text::copied(word, Standing::Quoted, origin)
            };
            let command = text(&call.file);
            let argv = vec![word(8, 10, b"sh"), word(11, 13, b"-c"), command.clone()];
            (b"/bin/sh".to_vec(), argv, Caller::Kernel, Some(command))
        }
        _ => {
            let caller = match (call.function.file, call.function.spawns) {
                (Naming::Search, true) => Caller::SearchOnly,
                (Naming::Search, false) => Caller::Search,
                (Naming::Descriptor, _) => Caller::Descriptor { closes: call.closes },
                _ => Caller::Kernel,
            };
            let argv = call.argv.iter().map(text).collect();
            (text(&call.file).bytes().to_vec(), argv, caller, None)
        }
    };
    let handed: Vec<Text> = argv;
    let launch = (!is_undefined(call)).then(|| {
        let request = Request {
            path,
            argv: handed.clone(),
            search: variable(environment, b"PATH").map(<[u8]>::to_vec),
            environment: passed,
            caller,
            stack,
            through: false,
        };
        launch(host, sources, request)
    });
    Execution { launch, handed, environment: handed_on, shell_text }
}

/// A string as C has it: a NUL ends it.
fn text(value: &Value) -> Text {
    match &value.kind {
        ValueKind::Text(text) => match text.bytes().iter().position(|&byte| byte == 0) {
            Some(end) => text.slice(0, end),
            None => text.clone(),
        },
        _ => Text::new(),
    }
}
