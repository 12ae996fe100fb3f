//! The machine that Fizzet runs on: real files, users and environment.
//!
//! Everything with an effect or a look at the outside world lives here; the core asks through the
//! traits of [`fizzet_core::host`].

mod exec;
mod files;
mod given;
mod launched;
mod pretended;
mod programs;
mod users;

use std::cell::RefCell;
use std::path::PathBuf;
use std::rc::Rc;

use fizzet_core::host::{
    Answer, Block, Commands, FileKind, Files, Process, Programs, Ran, Refused, Run, Sink, Status,
    Users,
};
use fizzet_core::kernel::{Errno, image};

use pretended::Pretended;

pub use exec::stack_limit;
pub use files::{check_folder, read_script};
pub use given::{
    environment, environment_source, environment_strings, is_variable_name, read_standard_input,
};

/// A name for the folder, and what the folder is called then.
type Asked = (Vec<u8>, Option<Vec<u8>>);

/// The real machine, with a folder that relative pathnames start from, or the files that a person
/// pretends to have.
#[derive(Clone, Debug)]
pub struct Machine {
    folder: PathBuf,
    /// Commands, as their arguments joined by spaces, and what they would do.
    answers: Vec<(Vec<u8>, Answer)>,
    /// Commands, argument by argument, and what they would do.
    vectors: Vec<(Vec<Vec<u8>>, Answer)>,
    /// The only files there are.
    pretended: Option<Pretended>,
    /// Whether programs may be run and files written.
    may_run: bool,
    /// The name of the folder that was asked for last, and the answer.
    asked: RefCell<Option<Asked>>,
}

impl Machine {
    /// The machine as seen from `folder`.
    pub fn at(folder: impl Into<PathBuf>) -> Machine {
        let (answers, vectors) = (Vec::new(), Vec::new());
        let (folder, asked) = (folder.into(), RefCell::default());
        Machine { folder, answers, vectors, pretended: None, may_run: false, asked }
    }

    /// Says what a command would do; its arguments are joined by spaces. What is said later counts.
    pub fn answer_with(&mut self, command: &[u8], answer: Answer) {
        self.answers.push((command.into(), answer));
    }

    /// Says what exactly this command would do.
    pub fn answer_vector(&mut self, vector: Vec<Vec<u8>>, answer: Answer) {
        self.vectors.push((vector, answer));
    }

    /// Lets programs be run and files be written.
    pub fn allow_running(&mut self) {
        self.may_run = true;
    }

    /// Pretends that these are all the files there are.
    pub fn pretend(&mut self, files: Vec<Vec<u8>>) {
        self.pretended = Some(Pretended::new(files));
    }
}

impl Files for Machine {
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        match &self.pretended {
            Some(pretended) => pretended.list(folder, each),
            None => files::list(&files::place(&self.folder, folder), each),
        }
    }

    fn exists(&self, path: &[u8]) -> bool {
        match &self.pretended {
            Some(pretended) => pretended.kind(path).is_some(),
            None => !path.is_empty() && files::place(&self.folder, path).symlink_metadata().is_ok(),
        }
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        match &self.pretended {
            Some(pretended) => pretended.kind(path) == Some(FileKind::Folder),
            None => !path.is_empty() && files::place(&self.folder, path).is_dir(),
        }
    }

    fn status(&self, path: &[u8], follow: bool) -> Option<Status> {
        if let Some(pretended) = &self.pretended {
            return pretended.status(path);
        }
        let found = (!path.is_empty()).then(|| files::place(&self.folder, path));
        files::status(&found?, follow)
    }

    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>> {
        match &self.pretended {
            // Nobody has said what is in them.
            Some(_) => None,
            None => files::read(&files::place(&self.folder, path), limit).ok(),
        }
    }

    fn physical(&self, path: &[u8]) -> Option<Vec<u8>> {
        match self.pretended {
            Some(_) => None,
            None => files::canonical(&files::place(&self.folder, path)),
        }
    }

    fn here(&self, named: &[u8]) -> Option<Vec<u8>> {
        if self.pretended.is_some() {
            return None;
        }
        // All shells of one run ask the same.
        let mut asked = self.asked.borrow_mut();
        match &*asked {
            Some((known, here)) if known == named => here.clone(),
            _ => {
                let here = match files::leads_to(named, &self.folder) {
                    true => Some(named.to_vec()),
                    false => files::canonical(&self.folder),
                };
                *asked = Some((named.to_vec(), here.clone()));
                here
            }
        }
    }
}

impl Programs for Machine {
    fn program(&self, path: &[u8]) -> Result<Block, Refused> {
        if path.is_empty() {
            return Err(Refused { errno: Errno::ENOENT, why: "there is no name" });
        }
        exec::program(&files::place(&self.folder, path))
    }

    fn leads_to_folder(&self, path: &[u8]) -> bool {
        self.is_folder(path)
    }

    fn machine(&self) -> Option<u16> {
        image::machine_number(std::env::consts::ARCH)
    }
}

impl Users for Machine {
    fn home(&self, user: &[u8]) -> Option<Vec<u8>> {
        users::home(user)
    }
}

impl Commands for Machine {
    fn answer(&self, argv: &[&[u8]]) -> Answer {
        let exact = self.vectors.iter().rev().find(|(vector, _)| vector == argv);
        if let Some((_, answer)) = exact {
            return answer.clone();
        }
        let command = argv.join(&b' ');
        let found = self.answers.iter().rev().find(|(known, _)| *known == command);
        found.map_or_else(Answer::default, |(_, answer)| answer.clone())
    }

    fn may_run(&self) -> bool {
        self.may_run
    }

    fn executable(&self, path: &[u8]) -> Option<Result<Block, Refused>> {
        match &self.pretended {
            Some(_) => None,
            None => Some(self.program(path)),
        }
    }

    fn machine(&self) -> Option<u16> {
        Programs::machine(self)
    }

    fn process(&self) -> Option<Process> {
        Some(programs::this_process(self.may_run))
    }

    fn machine_name(&self) -> Option<Vec<u8>> {
        Some(rustix::system::uname().nodename().to_bytes().to_vec())
    }

    fn set_mask(&self, mask: u32) {
        if self.may_run {
            programs::set_mask(mask);
        }
    }

    fn run(&self, run: &Run<'_>) -> Option<Ran> {
        self.may_run.then(|| programs::run(&self.folder, run))
    }

    fn create(&self, path: &[u8], append: bool) -> Option<Result<Rc<dyn Sink>, String>> {
        self.may_run.then(|| programs::create(&files::place(&self.folder, path), append))
    }
}
