//! The names and values that a program sees of the vector it was launched with.

use crate::host::Named;
use crate::lineage::{Origin, Rule};
use crate::receive::decode::Decode;
use crate::receive::runtime::{Head, Name, Runtime};
use crate::receive::start::{Program, Started, is_behind_name, start};
use crate::source::{SourceKind, Sources, Span};
use crate::text::{Standing, Text};

/// A name of the program's language and its value.
#[derive(Clone, Debug)]
pub struct Element {
    /// The name.
    pub name: String,
    /// The value.
    pub text: Text,
    /// The place in the vector that it comes from.
    pub from: Option<usize>,
    /// Whether the runtime makes other bytes of it.
    pub changed: bool,
}

impl Element {
    /// Whether the usual access fails because of its bytes.
    pub fn is_refused(&self, runtime: &Runtime) -> bool {
        runtime.decode == Decode::BytesOrPanic && std::str::from_utf8(self.text.bytes()).is_err()
    }
}

/// What a program sees.
#[derive(Clone, Debug)]
pub struct View {
    /// The runtime.
    pub runtime: &'static Runtime,
    /// How it read its command line.
    pub started: Started,
    /// The counts, in order.
    pub counts: Vec<(&'static str, i64)>,
    /// The interpreter and the program, where they have names.
    pub programs: Vec<Element>,
    /// The arguments.
    pub arguments: Vec<Element>,
    /// The index of the first argument in the counting of the language.
    pub first: usize,
}

/// What a program of a runtime sees of a vector.
pub fn view(
    runtime: &'static Runtime,
    argv: Vec<Text>,
    named: &dyn Named,
    sources: &mut Sources,
) -> View {
    let started = start(runtime, argv, named, sources);
    let mut view = View {
        runtime,
        counts: Vec::new(),
        programs: Vec::new(),
        arguments: Vec::new(),
        first: runtime.first,
        started,
    };
    if matches!(view.started.program, Program::Nothing(..)) {
        return view;
    }
    let program = view.program(named, sources);
    // Where the program has no name among the others, the arguments move up.
    let program_counts = runtime.heads.iter().any(|head| matches!(head, Head::Interpreter(_)));
    let missing = usize::from(program_counts && program.is_none());
    view.first -= missing;
    let count = view.started.arguments.len() as i64;
    for head in runtime.heads {
        match head {
            Head::Count(name, more) => view.counts.push((name, count + more - missing as i64)),
            Head::Interpreter(name) => {
                let zero = view.interpreter(named, sources);
                view.programs.push(Element {
                    name: (*name).into(),
                    text: zero,
                    from: Some(0),
                    changed: false,
                });
            }
            Head::Program(name) => {
                view.programs.extend(program.clone().map(|(text, from)| Element {
                    name: (*name).into(),
                    text,
                    from,
                    changed: false,
                }))
            }
        }
    }
    for (nth, at) in view.started.arguments.clone().enumerate() {
        let text = &view.started.argv[at];
        let changed = runtime.decode.changed(text.bytes());
        let made = changed.as_ref().map(|bytes| {
            let origin = text.runs().next().map(|(run, _)| run.origin.clone());
            let origin = origin.unwrap_or_else(|| made_here(sources, bytes));
            Text::copied(bytes, Standing::Quoted, origin)
        });
        view.arguments.push(Element {
            name: runtime.element_name(view.first + nth),
            text: made.unwrap_or_else(|| text.clone()),
            from: Some(at),
            changed: changed.is_some(),
        });
    }
    view
}

impl View {
    /// The name under which the program finds itself, and the word that it comes from.
    fn program(&self, named: &dyn Named, sources: &mut Sources) -> Option<(Text, Option<usize>)> {
        let zero = self.started.argv.first();
        let Some(grammar) = self.runtime.grammar else {
            return zero.map(|zero| (zero.clone(), Some(0)));
        };
        let (name, given) = match &self.started.program {
            Program::File(at, file) => (grammar.file_name, Some((file, Some(*at)))),
            Program::Text(_, Some(name)) => return Some((name.clone(), None)),
            Program::Text(_, None) => (grammar.text_name, None),
            Program::Input(Some(word)) if word.is_empty() => {
                (grammar.empty_is_input.unwrap_or(Name::Given), Some((word, None)))
            }
            Program::Input(Some(word)) => (Name::Given, Some((word, None))),
            Program::Input(None) => (grammar.input_name, None),
            Program::Module(module) => {
                return module_path(module, named, sources)
                    .filter(|_| grammar.file_name != Name::Absent);
            }
            Program::Itself | Program::Nothing(..) => (Name::Absent, None),
        };
        let mut made = |bytes: &[u8]| {
            let origin = made_here(sources, bytes);
            Text::copied(bytes, Standing::Quoted, origin)
        };
        match name {
            Name::Absent => None,
            Name::Fixed(text) => Some((made(text.as_bytes()), None)),
            Name::Given => given.map(|(text, at)| (text.clone(), at)),
            Name::Interpreter => {
                let argv = &self.started.argv;
                let is_behind = grammar.is_applet && argv.len() > 1 && is_behind_name(argv);
                let at = usize::from(is_behind);
                self.started.argv.get(at).map(|zero| (zero.clone(), Some(at)))
            }
            Name::InterpreterBase => zero.map(|zero| {
                let base =
                    zero.bytes().iter().rposition(|&byte| byte == b'/').map_or(0, |at| at + 1);
                (zero.slice(base, zero.len()), Some(0))
            }),
            Name::WholePath => given.map(|(text, at)| (made(&whole(named, text.bytes())), at)),
        }
    }

    fn interpreter(&self, named: &dyn Named, sources: &mut Sources) -> Text {
        let zero = self.started.argv.first().cloned().unwrap_or_default();
        match named.resolved(zero.bytes()) {
            Some(path) => {
                let origin = made_here(sources, &path);
                Text::copied(&path, Standing::Quoted, origin)
            }
            None => zero,
        }
    }

    /// Everything that is told, in the order of the runtime's row.
    pub fn told(&self) -> Vec<(String, Vec<u8>)> {
        let mut counts = self.counts.iter();
        let mut programs = self.programs.iter();
        let mut told = Vec::new();
        for head in self.runtime.heads {
            match head {
                Head::Count(..) => {
                    told.extend(
                        counts
                            .next()
                            .map(|(name, count)| ((*name).into(), count.to_string().into_bytes())),
                    );
                }
                _ => told.extend(
                    programs.next().map(|one| (one.name.clone(), one.text.bytes().to_vec())),
                ),
            }
        }
        told.extend(self.arguments.iter().map(|one| (one.name.clone(), one.text.bytes().to_vec())));
        if self.runtime.null {
            told.push((self.runtime.element_name(self.started.argv.len()), b"NULL".to_vec()));
        }
        told
    }
}

/// The path of a module in the folder of the launch; a hole where it is none of those.
fn module_path(
    module: &Text,
    named: &dyn Named,
    sources: &mut Sources,
) -> Option<(Text, Option<usize>)> {
    let parts = module.bytes().iter().map(|&byte| if byte == b'.' { b'/' } else { byte });
    let start: Vec<u8> = parts.collect();
    let files = [&b"/__main__.py"[..], b".py"].map(|ending| [&start, ending].concat());
    let found = files.iter().find(|file| named.is_there(file));
    let path = whole(named, found.unwrap_or(&files[1]));
    let origin = made_here(sources, &path);
    let mut text = Text::new();
    match found {
        Some(_) => text.push(&path, Standing::Quoted, &origin),
        None => text.push_hole(Standing::Quoted, &origin),
    }
    Some((text, None))
}

/// A path from the root on, without `.` and `..` in it, as `path.resolve` of Node makes it.
fn whole(named: &dyn Named, path: &[u8]) -> Vec<u8> {
    let start = if path.starts_with(b"/") { Vec::new() } else { named.folder() };
    let mut parts: Vec<&[u8]> = Vec::new();
    for part in start.split(|&byte| byte == b'/').chain(path.split(|&byte| byte == b'/')) {
        match part {
            b"" | b"." => {}
            b".." => drop(parts.pop()),
            part => parts.push(part),
        }
    }
    parts.iter().fold(Vec::new(), |mut whole, part| {
        whole.push(b'/');
        whole.extend_from_slice(part);
        whole
    })
}

fn made_here(sources: &mut Sources, bytes: &[u8]) -> Origin {
    let source = sources.add(SourceKind::Shell, bytes);
    Origin::new(Rule::Given, Span::new(source, 0, bytes.len()))
}
