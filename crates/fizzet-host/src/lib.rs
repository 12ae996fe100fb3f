//! The machine that Fizzet runs on: real files, users and environment.
//!
//! Everything with an effect or a look at the outside world lives here; the core asks through the
//! traits of [`fizzet_core::host`].

mod files;
mod given;
mod users;

use std::path::PathBuf;

use fizzet_core::host::{Answer, Commands, Files, Status, Users};

pub use files::{check_folder, read_script};
pub use given::{environment, environment_source, read_standard_input};

/// The real machine, with a folder that relative pathnames start from.
#[derive(Clone, Debug)]
pub struct Machine {
    folder: PathBuf,
    /// Commands, as their arguments joined by spaces, and what they would print.
    answers: Vec<(Vec<u8>, Vec<u8>)>,
}

impl Machine {
    /// The machine as seen from `folder`.
    pub fn at(folder: impl Into<PathBuf>) -> Machine {
        Machine { folder: folder.into(), answers: Vec::new() }
    }

    /// Says what a command would print; its arguments are joined by spaces.
    pub fn answer_with(&mut self, command: &[u8], output: &[u8]) {
        self.answers.push((command.into(), output.into()));
    }
}

impl Files for Machine {
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        files::list(&files::place(&self.folder, folder), each)
    }

    fn exists(&self, path: &[u8]) -> bool {
        !path.is_empty() && files::place(&self.folder, path).symlink_metadata().is_ok()
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        !path.is_empty() && files::place(&self.folder, path).is_dir()
    }

    fn status(&self, path: &[u8], follow: bool) -> Option<Status> {
        let found = (!path.is_empty()).then(|| files::place(&self.folder, path));
        files::status(&found?, follow)
    }

    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>> {
        files::read(&files::place(&self.folder, path), limit).ok()
    }
}

impl Users for Machine {
    fn home(&self, user: &[u8]) -> Option<Vec<u8>> {
        users::home(user)
    }
}

impl Commands for Machine {
    fn answer(&self, argv: &[&[u8]]) -> Answer {
        let command = argv.join(&b' ');
        let found = self.answers.iter().rev().find(|(known, _)| *known == command);
        match found {
            Some((_, output)) => Answer { output: Some(output.clone()), status: Some(0) },
            None => Answer::default(),
        }
    }
}
