//! Functions of ksh93 and mksh that are read from the folders of FPATH when they are called first (observed in
//! ksh93u+m and mksh R59: `FPATH=$PWD; fa x`, `autoload fa`, `typeset -fu fa`).

use std::rc::Rc;

use crate::dialect::FunctionPath;
use crate::expand::Context;
use crate::kernel::path::candidates;
use crate::source::Span;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::text::Text;
use crate::walk::Walker;

/// The status where there is no file.
const NOT_FOUND: Status = 127;
/// The status where there is one that does not define the function.
const UNDEFINED: Status = 126;

impl Walker {
    /// Whether a name is that of a function that `autoload` has announced, and that has not been read.
    pub(super) fn is_announced(&self, name: &[u8]) -> bool {
        self.state.dialect.function_path.is_some() && self.state.function_files.contains_key(name)
    }

    /// Whether a name that is neither a function nor a program is that of a file on FPATH.
    pub(super) fn is_on_function_path(&self, name: &[u8]) -> bool {
        self.state.dialect.function_path.is_some()
            && !name.contains(&b'/')
            && self.state.variables.scalar(b"FPATH").is_some_and(|path| !path.has_hole())
            && self.on_path(name).is_none()
            && self.function_file(name).is_some()
    }

    fn function_file(&self, name: &[u8]) -> Option<Vec<u8>> {
        let host = Context::host(self);
        let folders = self.state.variables.scalar(b"FPATH")?;
        let skips_empty = self.state.dialect.function_path? == FunctionPath::Strict;
        let files = candidates(name, Some(folders.bytes())).into_iter();
        let mut files = files.filter(|file| !(skips_empty && *file == name));
        files.find(|file| host.exists(file) && !host.is_folder(file))
    }

    /// Reads the file of a function, and calls the function that it defines.
    pub(super) fn read_and_call_from_path(
        &mut self,
        argv: &Rc<Vec<Text>>,
        span: Span,
    ) -> Result<(), Stop> {
        let Some(name) = argv.first().map(|name| name.bytes().to_vec()) else { return Ok(()) };
        let limit = self.state.limits.bytes;
        let file = self.function_file(&name);
        let read = file.as_ref().and_then(|file| Context::host(self).read(file, limit));
        let (mut status, mut reach) = (NOT_FOUND, Reach::Command);
        if let (Some(file), Some(bytes)) = (file, read) {
            let is_announced = self.state.function_files.remove(&name[..]).is_some();
            let is_strict = self.state.dialect.function_path == Some(FunctionPath::Strict);
            let before = self.state.positional.share();
            let source = self.state.sources.built(".", &bytes);
            self.state.sources.set_path(source, &file);
            match self.deeper_source(source, span) {
                Err(Stop::Return(_)) => {}
                Err(Stop::Syntax(error)) if !is_strict => {
                    self.survive(ShellError::new(error.to_string(), error.span, 1, reach));
                }
                outcome => outcome?,
            }
            if !is_strict {
                self.state.positional = before;
            }
            if let Some(function) = self.state.functions.get(&name[..]).cloned() {
                return self.call(&function, argv, span);
            }
            if is_strict || is_announced {
                status = UNDEFINED;
            }
            if is_strict {
                reach = Reach::Shell;
            }
        }
        let shown = String::from_utf8_lossy(&name).into_owned();
        let message = format!("no file on FPATH defines the function {shown}");
        Err(Stop::error(message, span, status, reach))
    }
}
