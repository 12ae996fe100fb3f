//! `fizzet shebang`: what the kernel makes of a `#!` file.

use std::ffi::OsStr;
use std::io::{self, BufWriter, Write};
use std::os::unix::ffi::OsStrExt;

use clap::builder::PossibleValuesParser;
use fizzet_core::host::{Block, Programs, Refused};
use fizzet_core::kernel::chain::{Caller, End, Launch, Request, given, launch};
use fizzet_core::kernel::systems::SYSTEMS;
use fizzet_core::source::{SourceKind, Sources};
use fizzet_core::text::Text;
use fizzet_host::{Machine, environment_strings, stack_limit};

use crate::cli::{CallerOptions, Format, Picture, ShebangOptions};
use crate::failure::Failure;
use crate::render::page::Page;
use crate::render::{json, launch as rendering, nul, systems};

/// The names that `--system` takes.
pub fn system_parser() -> PossibleValuesParser {
    PossibleValuesParser::new(SYSTEMS.iter().map(|system| system.name).chain(["all"]))
}

/// Runs the subcommand and answers the exit status.
///
/// # Errors
/// No file and no first line; escapes that cannot be read; output that cannot be written.
pub fn run(options: ShebangOptions) -> Result<u8, Failure> {
    let mut out = BufWriter::new(io::stdout().lock());
    let given = Given::of(&options)?;
    if options.system != "linux" {
        let head = given.head(&machine(&options.caller));
        let mut page = Page::new(&options.output);
        match options.output.format {
            Format::Text => systems::write(&mut page, &head, &options.system),
            Format::Json => json::systems(&head, &options.system, &mut out)?,
            Format::Nul => return Err(one_vector()),
        }
        page.write(&mut out)?;
        return Ok(out.flush().map(|()| 0)?);
    }
    let mut sources = Sources::new(SourceKind::Path, &given.path);
    let request = request(&options, &given, &mut sources);
    let host = Pretending { machine: machine(&options.caller), script: given.script() };
    let launch = launch(&host, &mut sources, request);
    match options.output.format {
        Format::Text => {
            let mut page = Page::new(&options.output);
            rendering::write(&mut page, &sources, &launch, &given.path);
            if options.caller.show.contains(&Picture::Memory) {
                rendering::memory(&mut page, &launch);
            }
            rendering::fallback(&mut page, &launch, &given.head(&host.machine));
            page.write(&mut out)?;
        }
        Format::Json => json::launch(&sources, &launch, &given.head(&host.machine), &mut out)?,
        Format::Nul => nul::vector(received(Some(&launch))?, &mut out)?,
    }
    out.flush()?;
    Ok(0)
}

/// The vector that a program receives.
///
/// # Errors
/// No program starts: a vector that nobody receives is not printed.
pub(super) fn received(launch: Option<&Launch>) -> Result<&[Text], Failure> {
    match launch {
        Some(launch) if matches!(launch.end, End::Runs { .. }) => Ok(&launch.argv),
        _ => Err(Failure::Unusable {
            what: "--format nul".into(),
            why: "no program receives a vector here".into(),
            hint: "--format text and json say why".into(),
        }),
    }
}

fn one_vector() -> Failure {
    Failure::Unusable {
        what: "--format nul".into(),
        why: "it prints one vector, and each system makes its own".into(),
        hint: "name one system, or use --format json".into(),
    }
}

/// What the operands say.
struct Given<'a> {
    path: Vec<u8>,
    text: Option<Vec<u8>>,
    arguments: &'a [std::ffi::OsString],
}

impl<'a> Given<'a> {
    fn of(options: &'a ShebangOptions) -> Result<Given<'a>, Failure> {
        let Some(line) = &options.first_line else {
            let Some((file, arguments)) = options.operands.split_first() else {
                return Err(Failure::Unusable {
                    what: "shebang".into(),
                    why: "there is no script".into(),
                    hint: "give a FILE, or a line with --first-line TEXT".into(),
                });
            };
            return Ok(Given { path: file.as_bytes().into(), text: None, arguments });
        };
        let text = match options.bytes {
            true => decoded(line)?,
            false => line.as_bytes().to_vec(),
        };
        let path = options.script.as_bytes().to_vec();
        Ok(Given { path, text: Some(text), arguments: &options.operands })
    }

    fn script(&self) -> Option<(Vec<u8>, Vec<u8>)> {
        self.text.clone().map(|text| (self.path.clone(), text))
    }

    /// The start of the script, as far as it can be read.
    fn head(&self, machine: &Machine) -> Vec<u8> {
        match (&self.text, machine.program(&self.path)) {
            (Some(text), _) => text.clone(),
            (None, Ok(Block::Read(head))) => head,
            (None, _) => Vec::new(),
        }
    }
}

/// The machine as the caller of exec stands in it.
pub(super) fn machine(caller: &CallerOptions) -> Machine {
    Machine::at(caller.dir.clone().unwrap_or_else(|| ".".into()))
}

/// The strings of the environment that the caller hands on.
pub(super) fn environment_of(caller: &CallerOptions) -> Vec<Vec<u8>> {
    let inherited = if caller.clean { Vec::new() } else { environment_strings() };
    let path = caller.path.iter().map(|path| [b"PATH=", path.as_bytes()].concat());
    let given = caller.env.iter().map(|one| one.as_bytes().to_vec()).chain(path);
    inherited.into_iter().chain(given).fold(Vec::new(), with)
}

/// An environment with one more variable, or another value of one; a name alone has an empty one.
fn with(mut environment: Vec<Vec<u8>>, mut string: Vec<u8>) -> Vec<Vec<u8>> {
    let at = string.iter().position(|&byte| byte == b'=').unwrap_or_else(|| {
        string.push(b'=');
        string.len() - 1
    });
    match environment.iter_mut().find(|known| known.starts_with(&string[..=at])) {
        Some(known) => *known = string,
        None => environment.push(string),
    }
    environment
}

fn request(options: &ShebangOptions, of: &Given<'_>, sources: &mut Sources) -> Request {
    let zero = options.zero.as_deref().unwrap_or(OsStr::from_bytes(&of.path)).as_bytes();
    let zero_source = sources.add(SourceKind::Zero, zero);
    let mut argv = vec![given(zero, zero_source)];
    for (at, argument) in of.arguments.iter().enumerate() {
        let source = sources.add(SourceKind::Argument(at + 1), argument.as_bytes());
        argv.push(given(argument.as_bytes(), source));
    }
    Request {
        path: of.path.clone(),
        argv,
        search: None,
        environment: environment_of(&options.caller),
        caller: Caller::Kernel,
        stack: Some(options.caller.stack.unwrap_or_else(stack_limit)),
        through: false,
    }
}

/// The machine with one more script on it, which may be executed.
struct Pretending {
    machine: Machine,
    script: Option<(Vec<u8>, Vec<u8>)>,
}

impl Programs for Pretending {
    fn program(&self, path: &[u8]) -> Result<Block, Refused> {
        match &self.script {
            Some((script, text)) if script == path => Ok(Block::Read(text.clone())),
            _ => self.machine.program(path),
        }
    }

    fn leads_to_folder(&self, path: &[u8]) -> bool {
        self.machine.leads_to_folder(path)
    }

    fn machine(&self) -> Option<u16> {
        self.machine.machine()
    }
}

/// Bytes written with escapes, or as pairs of hexadecimal digits.
fn decoded(text: &OsStr) -> Result<Vec<u8>, Failure> {
    let bytes = text.as_bytes();
    let pairs: Vec<u8> = bytes.iter().copied().filter(|byte| *byte != b' ').collect();
    if pairs.iter().all(u8::is_ascii_hexdigit) && pairs.len().is_multiple_of(2) {
        return Ok(pairs.chunks(2).filter_map(hex).collect());
    }
    let mut out = Vec::with_capacity(bytes.len());
    let mut rest = bytes;
    while let Some((&first, behind)) = rest.split_first() {
        rest = behind;
        if first != b'\\' {
            out.push(first);
            continue;
        }
        let (byte, taken) = match rest {
            [b't', ..] => (b'\t', 1),
            [b'n', ..] => (b'\n', 1),
            [b'r', ..] => (b'\r', 1),
            [b'0', ..] => (0, 1),
            [b'\\', ..] => (b'\\', 1),
            [b'x', high, low, ..] if let Some(byte) = hex(&[*high, *low]) => (byte, 3),
            _ => {
                return Err(Failure::Unusable {
                    what: "--bytes".into(),
                    why: format!("byte {} begins no escape", bytes.len() - rest.len()),
                    hint: "write \\t, \\n, \\r, \\0, \\\\ or \\xFF, or pairs of hexadecimal digits"
                        .into(),
                });
            }
        };
        out.push(byte);
        rest = &rest[taken..];
    }
    Ok(out)
}

fn hex(pair: &[u8]) -> Option<u8> {
    u8::from_str_radix(std::str::from_utf8(pair).ok()?, 16).ok()
}
