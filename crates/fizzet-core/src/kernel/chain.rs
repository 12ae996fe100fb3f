//! From a path and a vector to the program that starts: the `#!` lines that the kernel follows
//! (fs/exec.c and fs/binfmt_script.c; observed in Linux 6.18).

use std::ops::Range;

use crate::dialect::UnknownFiles;
use crate::host::{Block, Programs, Refused, join};
use crate::kernel::Errno;
use crate::kernel::env;
use crate::kernel::first_line::{self, FirstLine};
use crate::kernel::image::Image;
use crate::kernel::limits::{self, Count, Excess};
use crate::kernel::path::Tried;
use crate::kernel::reasons::{interpreter_refused, no_interpreter, too_much, unknown};
use crate::lineage::{Origin, Rule};
use crate::source::{SourceId, SourceKind, Sources, Span};
use crate::text::{Standing, Text};

/// How many `#!` files may stand behind one another; one more is an error.
pub const MOST_SCRIPTS: usize = 5;

/// The name that the kernel makes for a file that is executed by its descriptor: the first one that a
/// program opens, as a rule (fs/exec.c; observed in Linux 6.18).
pub const DESCRIPTOR: &[u8] = b"/dev/fd/3";

/// So many files that they can only be calling each other in a circle.
const MOST_HOPS: usize = 100;

/// How a file was reached on the way.
#[derive(Clone, Debug)]
pub struct Hop {
    /// Its path as the kernel is given it.
    pub path: Vec<u8>,
    /// What it is.
    pub kind: HopKind,
    /// The vector behind this hop.
    pub argv: Vec<Text>,
}

/// What a file on the way is.
#[derive(Clone, Debug)]
pub enum HopKind {
    /// A script: the kernel goes on with its interpreter.
    Script {
        /// Its first line.
        line: FirstLine,
        /// The bytes that the ranges of the line are in.
        source: SourceId,
    },
    /// A name that is looked for on PATH.
    Search {
        /// The paths that were tried, in order.
        tried: Vec<Tried>,
    },
    /// Something that the kernel does not know: `execvp` hands it to `/bin/sh`.
    Unknown,
    /// `env` (or `nohup`): it goes on with the program that its arguments name.
    Env {
        /// Variables that it sets.
        sets: Vec<Text>,
        /// Variables that it takes away; all of them, if it was told so.
        unsets: env::Unsets,
    },
}

/// How it ends.
#[derive(Clone, Debug)]
pub enum End {
    /// A program starts.
    Runs {
        /// Its path.
        path: Vec<u8>,
        /// Whether nothing is known but that it may be executed: it cannot be read.
        is_hidden: bool,
    },
    /// Nothing is executed.
    Fails(Failure),
    /// The shell reads the file itself as a script; `$0` is the path.
    ReadByShell {
        /// The path.
        path: Vec<u8>,
    },
    /// Files call each other for ever.
    Endless,
    /// `env` itself refuses what it was given, with this status.
    EnvRefuses {
        /// Why, in plain words.
        why: String,
        /// Its exit status.
        status: u8,
    },
}

/// Why nothing is executed.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Failure {
    /// The error that the caller of exec sees, or `env` after the last successful hop.
    pub errno: Errno,
    /// The file that is the matter.
    pub path: Vec<u8>,
    /// What the matter is, in plain words.
    pub why: String,
    /// The bytes of a `#!` line that are the matter, if some are.
    pub place: Option<Span>,
}

/// Everything between exec and the program that starts.
#[derive(Clone, Debug)]
pub struct Launch {
    /// The files on the way, in order.
    pub hops: Vec<Hop>,
    /// The vector in the end; what it was when it failed.
    pub argv: Vec<Text>,
    /// The strings of the environment in the end.
    pub environment: Vec<Vec<u8>>,
    /// The path that the last exec was given.
    pub file: Vec<u8>,
    /// How it ends.
    pub end: End,
}

/// How exec is called.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Caller {
    /// Directly: the path is that of a file.
    Kernel,
    /// By a descriptor of the open file, for which its path is given: see [`DESCRIPTOR`].
    Descriptor {
        /// Whether the descriptor is closed by exec, so that no interpreter can open it.
        closes: bool,
    },
    /// By `execvp` of glibc: a name without a slash is looked for on PATH, and a file that the kernel
    /// does not know is handed to `/bin/sh`.
    Search,
    /// By a shell: it looks for a file itself, and has a way of its own with what the kernel does not
    /// know.
    Shell(UnknownFiles),
    /// By `posix_spawnp`: the same search, but the error for such a file is handed on.
    SearchOnly,
}

/// What exec is asked for.
#[derive(Clone, Debug)]
pub struct Request {
    /// The path, as given.
    pub path: Vec<u8>,
    /// The vector.
    pub argv: Vec<Text>,
    /// The value of PATH that the caller has. Without one a library looks where its own default says,
    /// and a shell nowhere.
    pub search: Option<Vec<u8>>,
    /// The strings of the environment that it hands on.
    pub environment: Vec<Vec<u8>>,
    /// Who calls exec.
    pub caller: Caller,
    /// The stack limit in bytes, against which strings and pointers are held; nothing for none.
    pub stack: Option<u64>,
    /// Whether `env` and `nohup` are followed also where no `#!` line starts them.
    pub through: bool,
}

/// Follows a file into the kernel until a program starts or something fails.
pub fn launch(host: &dyn Programs, sources: &mut Sources, request: Request) -> Launch {
    let Request { path, mut argv, search, environment, caller, stack, through } = request;
    if argv.is_empty() {
        // Since Linux 5.18 an empty vector becomes one that holds an empty argument.
        let source = sources.add(SourceKind::Shell, b"");
        argv.push(given(b"", source));
    }
    let mut way = Way {
        host,
        sources,
        hops: Vec::new(),
        argv,
        search,
        folder: Vec::new(),
        environment,
        file: Vec::new(),
        stack,
    };
    let mut started = match caller {
        Caller::Kernel => way.kernel(path),
        Caller::Descriptor { closes } => way.descriptor(path, closes),
        Caller::Search => way.searched(&path, true),
        Caller::SearchOnly => way.searched(&path, false),
        Caller::Shell(unknown) => match way.by_shell(&path, unknown) {
            Ok(started) => Ok(started),
            Err(end) => return way.ended(end),
        },
    };
    loop {
        let program = match started {
            Ok(program) => program,
            Err(failure) => return way.ended(End::Fails(failure)),
        };
        let is_hidden = program.is_hidden;
        let hands_on =
            is_named(&program.path, b"env") || (through && is_named(&program.path, b"nohup"));
        if is_hidden || !hands_on || !(through || way.is_behind_script()) {
            return way.ended(End::Runs { path: program.path, is_hidden });
        }
        if way.hops.len() > MOST_HOPS {
            return way.ended(End::Endless);
        }
        let next = match is_named(&program.path, b"nohup") {
            true => way.through_nohup(),
            false => way.through_env(),
        };
        started = match next {
            Next::Started(started) => started,
            Next::End(end) => return way.ended(end),
            Next::Nothing => return way.ended(End::Runs { path: program.path, is_hidden }),
        };
    }
}

/// Whether a path names this utility.
fn is_named(path: &[u8], utility: &[u8]) -> bool {
    path.rsplit(|&byte| byte == b'/').next() == Some(utility)
}

/// A program that starts.
pub(super) struct Started {
    path: Vec<u8>,
    is_hidden: bool,
}

enum Next {
    Started(Result<Started, Failure>),
    End(End),
    /// `env` starts nothing: it prints the environment.
    Nothing,
}

/// The way so far.
pub(super) struct Way<'a> {
    host: &'a dyn Programs,
    pub(super) sources: &'a mut Sources,
    pub(super) hops: Vec<Hop>,
    pub(super) argv: Vec<Text>,
    /// The value of PATH.
    pub(super) search: Option<Vec<u8>>,
    /// Where relative names count from, as reached from the host's folder.
    folder: Vec<u8>,
    environment: Vec<Vec<u8>>,
    /// The path that the latest exec was given.
    file: Vec<u8>,
    stack: Option<u64>,
}

impl Way<'_> {
    /// Whether `env` was started by a `#!` line, or by another `env`.
    fn is_behind_script(&self) -> bool {
        self.hops.iter().any(|hop| matches!(hop.kind, HopKind::Script { .. } | HopKind::Env { .. }))
    }

    pub(super) fn program(&self, path: &[u8]) -> Result<Block, Refused> {
        match path.is_empty() {
            true => self.host.program(path),
            false => self.host.program(&join(&self.folder, path)),
        }
    }

    fn ended(self, end: End) -> Launch {
        Launch {
            hops: self.hops,
            argv: self.argv,
            environment: self.environment,
            file: self.file,
            end,
        }
    }

    /// One call of exec: follows `#!` lines to a program.
    pub(super) fn kernel(&mut self, start: Vec<u8>) -> Result<Started, Failure> {
        let block = self.open(&start, None)?;
        self.opened(start.clone(), start, block)
    }

    /// The same by a descriptor of the file: an interpreter is told the descriptor's name.
    fn descriptor(&mut self, path: Vec<u8>, closes: bool) -> Result<Started, Failure> {
        let block = self.open(&path, None).map_err(not_opened)?;
        let is_script = |head: &Vec<u8>| Image::of(head, self.host.machine()) == Image::Script;
        match &block {
            Block::Read(head) if closes && is_script(head) => {
                first_line::read(head).map_err(|why| no_interpreter(&path, why))?;
                let why = "the descriptor is closed before the interpreter could open it; leave O_CLOEXEC out";
                Err(Failure { errno: Errno::ENOENT, path, why: why.into(), place: None })
            }
            Block::Read(head) if is_script(head) => {
                self.opened(DESCRIPTOR.to_vec(), DESCRIPTOR.to_vec(), block)
            }
            _ => self.opened(DESCRIPTOR.to_vec(), path, block),
        }
    }

    /// What becomes of a file that was opened; `start` is the name that exec was given.
    fn opened(
        &mut self,
        start: Vec<u8>,
        mut path: Vec<u8>,
        mut block: Block,
    ) -> Result<Started, Failure> {
        self.file = start.clone();
        let pointers = self.fits(&start, None)?;
        let mut scripts = 0;
        loop {
            if scripts > MOST_SCRIPTS {
                let why = format!(
                    "more than {MOST_SCRIPTS} #! files stand behind one another; the kernel gives up"
                );
                return Err(Failure { errno: Errno::ELOOP, path, why, place: None });
            }
            let head = match block {
                Block::Hidden => return Ok(Started { path, is_hidden: true }),
                Block::Read(head) => head,
            };
            match Image::of(&head, self.host.machine()) {
                Image::Script => {
                    let (interpreter, place) = self.script(&path, &head)?;
                    self.fits(&start, pointers)?;
                    block = self.open(&interpreter, Some((&path, place)))?;
                    path = interpreter;
                    scripts += 1;
                }
                Image::Program { loader } => {
                    if let Some(loader) = loader {
                        self.loader(&path, &loader)?;
                    }
                    return Ok(Started { path, is_hidden: false });
                }
                other => return Err(unknown(path, &other)),
            }
        }
    }

    fn open(&self, path: &[u8], asked: Option<(&[u8], Span)>) -> Result<Block, Failure> {
        let opened = match asked {
            // The kernel takes an interpreter without a name for the current folder.
            Some(_) if path.is_empty() => {
                Err(Refused { errno: Errno::EACCES, why: "the kernel takes it for a folder" })
            }
            _ => self.program(path),
        };
        opened.map_err(|refused| {
            let Refused { errno, why } = refused;
            let place = asked.map(|(_, span)| span);
            let why = match asked {
                None => why.to_owned(),
                Some((script, _)) => interpreter_refused(path, script, why),
            };
            Failure { errno, path: path.to_vec(), why, place }
        })
    }

    /// Whether the vector and the environment are small enough. Behind a script the kernel counts the
    /// strings anew, but not the pointers; their number is answered.
    fn fits(&self, path: &[u8], pointers: Option<u64>) -> Result<Option<u64>, Failure> {
        let Some(stack) = self.stack else { return Ok(None) };
        let lengths = self.argv.iter().map(Text::len);
        let counted = limits::count(path.len(), lengths, self.environment.iter().map(Vec::len));
        let counted =
            counted.map(|count| Count { pointers: pointers.unwrap_or(count.pointers), ..count });
        let outcome =
            counted.and_then(|count| limits::check(count, stack).map(|()| count.pointers));
        outcome.map(Some).map_err(|excess| self.too_much(path, excess, stack))
    }

    fn too_much(&self, path: &[u8], excess: Excess, stack: u64) -> Failure {
        let lengths: Vec<usize> = self.argv.iter().map(Text::len).collect();
        let environment: Vec<usize> = self.environment.iter().map(Vec::len).collect();
        let needed = limits::calls(path.len(), &lengths, 1, &environment, stack);
        let why = too_much(excess, lengths.len(), stack, needed);
        Failure { errno: Errno::E2BIG, path: path.to_vec(), why, place: None }
    }

    /// The loader of a program that is linked when it starts has to be there too.
    fn loader(&self, program: &[u8], loader: &[u8]) -> Result<(), Failure> {
        self.program(loader).map(drop).map_err(|refused| Failure {
            errno: refused.errno,
            path: loader.to_vec(),
            why: format!(
                "it is the loader that {} asks for: {}",
                String::from_utf8_lossy(program),
                refused.why
            ),
            place: None,
        })
    }

    /// A script: its interpreter, its argument and its path take the place of the first element.
    fn script(&mut self, path: &[u8], head: &[u8]) -> Result<(Vec<u8>, Span), Failure> {
        let shown = &head[..head.len().min(first_line::BUFFER)];
        let source = self.sources.of_path(SourceKind::File, path, shown);
        let span = |range: &Range<usize>| Span::new(source, range.start, range.end);
        let line = first_line::read(head).map_err(|why| no_interpreter(path, why))?;
        let taken = |range: &Range<usize>| {
            let bytes = shown.get(range.clone()).unwrap_or_default();
            Text::copied(bytes, Standing::Quoted, Origin::new(Rule::Literal, span(range)))
        };
        let name = taken(&line.interpreter);
        let interpreter = name.bytes().to_vec();
        let mut made = vec![name];
        made.extend(line.argument.as_ref().map(taken));
        let path_source = self.sources.of_path(|_| SourceKind::Path, path, path);
        made.push(given(path, path_source));
        made.extend(self.argv.drain(..).skip(1));
        self.argv = made;
        let place = span(&line.interpreter);
        let kind = HopKind::Script { line, source };
        self.hops.push(Hop { path: path.to_vec(), kind, argv: self.argv.clone() });
        Ok((interpreter, place))
    }

    /// `nohup` hands on what stands behind its name and `--` (POSIX XCU nohup).
    fn through_nohup(&mut self) -> Next {
        let operands = match &self.argv[1..] {
            [first, rest @ ..] if first.bytes() == b"--" => rest,
            rest => rest,
        };
        let Some(name) = operands.first().map(|name| name.bytes().to_vec()) else {
            return Next::Nothing;
        };
        self.argv = operands.to_vec();
        let kind = HopKind::Env { sets: Vec::new(), unsets: env::Unsets::default() };
        self.hops.push(Hop { path: b"nohup".to_vec(), kind, argv: self.argv.clone() });
        Next::Started(self.searched(&name, true))
    }

    /// What `env` makes of the vector that it received.
    fn through_env(&mut self) -> Next {
        let order = match env::read(&self.argv, &self.environment) {
            Ok(order) => order,
            Err(env::Refusal { why, status }) => {
                return Next::End(End::EnvRefuses { why, status });
            }
        };
        if order.vector.is_empty() {
            return Next::Nothing;
        }
        order.apply(&mut self.environment);
        self.search = env::variable(&self.environment, b"PATH").map(<[u8]>::to_vec);
        if let Some(folder) = &order.folder {
            self.folder = join(&self.folder, folder.bytes());
            if !self.host.leads_to_folder(&self.folder) {
                let why = "env cannot go to the folder that -C names".into();
                return Next::End(End::EnvRefuses { why, status: 125 });
            }
        }
        self.argv = order.vector;
        let name = self.argv[0].bytes().to_vec();
        let kind = HopKind::Env { sets: order.sets, unsets: order.unsets };
        self.hops.push(Hop { path: b"env".to_vec(), kind, argv: self.argv.clone() });
        Next::Started(self.searched(&name, true))
    }
}

/// Where `open` fails, the descriptor is -1, which `fexecve` of glibc refuses itself.
fn not_opened(failure: Failure) -> Failure {
    if failure.errno == Errno::EACCES {
        return failure;
    }
    let opened = failure.errno.name();
    let why = format!("open fails with {opened} ({}), so the descriptor is -1", failure.why);
    Failure { errno: Errno::EINVAL, why, ..failure }
}

/// A text that was given from outside.
pub fn given(bytes: &[u8], source: SourceId) -> Text {
    let origin = Origin::new(Rule::Given, Span::new(source, 0, bytes.len()));
    Text::copied(bytes, Standing::Quoted, origin)
}

#[cfg(test)]
mod tests {
    use std::collections::HashMap;

    use super::{Caller, End, HopKind, Launch, Request, given, launch};
    use crate::host::{Block, Programs, Refused};
    use crate::kernel::Errno;
    use crate::source::{SourceKind, Sources};

    /// Files by path; what is `None` may not be executed.
    struct Shelf(HashMap<&'static str, Option<&'static str>>);

    impl Programs for Shelf {
        fn program(&self, path: &[u8]) -> Result<Block, Refused> {
            match self.0.get(std::str::from_utf8(path).unwrap()) {
                Some(Some(text)) => Ok(Block::Read(text.as_bytes().to_vec())),
                Some(None) => Err(Refused { errno: Errno::EACCES, why: "nobody may" }),
                None => Err(Refused { errno: Errno::ENOENT, why: "nothing there" }),
            }
        }

        fn leads_to_folder(&self, _: &[u8]) -> bool {
            false
        }
    }

    const PROGRAM: &str = "\x7fELF\x02\x01\0\0\0\0\0\0\0\0\0\0\x02\0\x3e\0\0\0\0\0\0\0\0\0\0\0\0\0\
                           \0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0\0";

    fn run(files: &[(&'static str, Option<&'static str>)], path: &str) -> (Launch, Vec<String>) {
        let shelf = Shelf(files.iter().copied().collect());
        let mut sources = Sources::new(SourceKind::Line, b"");
        let argument = sources.add(SourceKind::Argument(1), b"lime honey");
        let request = Request {
            path: path.into(),
            argv: vec![given(b"zero", argument), given(b"lime honey", argument)],
            search: None,
            environment: vec![b"PATH=/hive:/bin".to_vec(), b"HIVE=north hive".to_vec()],
            caller: Caller::Kernel,
            stack: None,
            through: false,
        };
        let launch = launch(&shelf, &mut sources, request);
        let words = launch.argv.iter();
        let words = words.map(|text| String::from_utf8_lossy(text.bytes()).into_owned()).collect();
        (launch, words)
    }

    #[test]
    fn interpreters_are_put_before_the_path() {
        let files = [
            ("press", Some("#! /lid -e  -u \n")),
            ("/lid", Some("#!/bin/label")),
            ("/bin/label", Some(PROGRAM)),
        ];
        let (launch, words) = run(&files, "press");
        assert!(matches!(launch.end, End::Runs { .. }), "{:?}", launch.end);
        assert_eq!(words, ["/bin/label", "/lid", "-e  -u", "press", "lime honey"]);
        assert_eq!(launch.hops.len(), 2);
    }

    #[test]
    fn env_looks_on_path_and_splits() {
        let files = [
            ("press", Some("#!/bin/env -S label -h \"${HIVE}\"\n")),
            ("/bin/env", Some(PROGRAM)),
            ("/hive/label", None),
            ("/bin/label", Some(PROGRAM)),
        ];
        let (launch, words) = run(&files, "press");
        assert!(matches!(launch.end, End::Runs { .. }), "{:?}", launch.end);
        assert_eq!(words, ["label", "-h", "north hive", "press", "lime honey"]);
        assert!(matches!(&launch.hops[2].kind, HopKind::Search { tried } if tried.len() == 2));
    }

    #[test]
    fn a_carriage_return_and_a_loop_are_told() {
        let (launch, _) = run(&[("press", Some("#!/lid\r\n"))], "press");
        let End::Fails(failure) = launch.end else { panic!("{:?}", launch.end) };
        assert_eq!(failure.errno, Errno::ENOENT);
        assert!(failure.why.contains("carriage return"), "{}", failure.why);
        let (launch, _) = run(&[("press", Some("#!press\n"))], "press");
        assert!(matches!(launch.end, End::Fails(failure) if failure.errno == Errno::ELOOP));
    }
}
