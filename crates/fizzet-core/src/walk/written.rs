//! Files that a script writes while nothing is written for real: they are kept in memory, so that the
//! script finds them again.

use std::borrow::Cow;
use std::cell::{Cell, OnceCell, RefCell};
use std::rc::Rc;

use rustc_hash::FxHashMap;

use crate::host::{
    Answer, Block, Commands, FileKind, Files, Host, Ran, Refused, Run, Sink, Status, Users, join,
    normal,
};
use crate::kernel::Errno;
use crate::text::Text;

/// What a file holds, shared with the descriptors that write to it.
type Contents = Rc<RefCell<Text>>;

/// The files that have been written, by their paths: from the folder where the trace began where they are in that,
/// and from the root.
#[derive(Clone)]
pub(super) struct WrittenFiles {
    files: Rc<RefCell<FxHashMap<Rc<[u8]>, ReadFile>>>,
    host: Rc<dyn Host>,
    /// What the shell calls the folder where the trace began, if that is known.
    entered: Option<Rc<[u8]>>,
    /// That, and where it really is; found when a path is first looked at.
    starts: Rc<OnceCell<Vec<Vec<u8>>>>,
}

/// A file, and what whoever reads it has seen of it.
#[derive(Clone, Debug)]
pub(super) struct ReadFile {
    file: Contents,
    /// How often the file has been emptied.
    emptied: Rc<Cell<u64>>,
    seen: u64,
}

impl ReadFile {
    /// What the file holds.
    pub(super) fn text(&self) -> Text {
        self.file.borrow().clone()
    }

    /// Brings what has been read of the file up to what it holds now; false where that is the same.
    pub(super) fn follow(&mut self, text: &mut Text) -> bool {
        let file = self.file.borrow();
        let emptied = std::mem::replace(&mut self.seen, self.emptied.get()) != self.emptied.get();
        match file.len() > text.len() && !emptied {
            true => text.push_text(&file.slice_with_holes(text.len(), file.len())),
            false if emptied => *text = file.clone(),
            false => return false,
        }
        true
    }
}

impl WrittenFiles {
    /// None so far, in a folder that the shell calls so.
    pub(super) fn new(host: Rc<dyn Host>, entered: &Text) -> WrittenFiles {
        let is_known = !entered.has_hole() && entered.bytes().starts_with(b"/");
        let entered = is_known.then(|| entered.bytes().into());
        WrittenFiles { files: Rc::default(), host, entered, starts: Rc::default() }
    }

    /// Whether none has been written.
    pub(super) fn is_empty(&self) -> bool {
        self.files.borrow().is_empty()
    }

    /// The file of this path.
    pub(super) fn get(&self, folder: &[u8], path: &[u8]) -> Option<Contents> {
        self.open(folder, path).map(|opened| opened.file)
    }

    /// The path by which a file is kept that a text with or without holes names, if it has been written.
    pub(super) fn path_of<'t>(&self, folder: &[u8], named: &'t Text) -> Option<Cow<'t, [u8]>> {
        named.marked_bytes().filter(|path| self.get(folder, path).is_some())
    }

    /// What a file holds that a text with or without holes names, if it has been written.
    pub(super) fn text_of(&self, folder: &[u8], named: &Text) -> Option<Text> {
        let file = self.get(folder, &named.marked_bytes()?)?;
        Some(file.borrow().clone())
    }

    /// The file of this path, to be read while it may be written.
    pub(super) fn open(&self, folder: &[u8], path: &[u8]) -> Option<ReadFile> {
        if self.is_empty() {
            return None;
        }
        let mut opened = self.files.borrow().get(&self.plain(folder, path)[..]).cloned()?;
        opened.seen = opened.emptied.get();
        Some(opened)
    }

    /// Begins a file: what it held before is gone, also for those who have it open.
    pub(super) fn create(&self, folder: &[u8], path: &[u8], text: Text) -> Contents {
        if let Some(opened) = self.open(folder, path) {
            *opened.file.borrow_mut() = text;
            opened.emptied.set(opened.seen + 1);
            return opened.file;
        }
        let file = Rc::new(RefCell::new(text));
        let opened = ReadFile { file: file.clone(), emptied: Rc::default(), seen: 0 };
        self.files.borrow_mut().insert(self.plain(folder, path).into(), opened);
        file
    }

    /// The path of a file as all its spellings share it. One of which not even the first byte is known is taken as one
    /// from the root: a program has printed it.
    fn plain(&self, folder: &[u8], path: &[u8]) -> Vec<u8> {
        if path.first() == Some(&0) {
            return path.to_vec();
        }
        let starts = self.starts.get_or_init(|| {
            let real = self.host.physical(b".").filter(|path| path.starts_with(b"/"));
            self.entered.iter().map(|path| normal(path)).chain(real).collect()
        });
        from_start(normal(&join(folder, path)), starts)
    }
}

/// A path without `.` and the like, from the folder that has these names where it is in that, and else from the root
/// if that is known.
fn from_start(path: Vec<u8>, starts: &[Vec<u8>]) -> Vec<u8> {
    let absolute = match (path.first(), starts.first()) {
        (Some(b'/'), _) => path,
        (_, Some(start)) if path.starts_with(b"../") || path == b".." => {
            normal(&join(start, &path))
        }
        _ => return path,
    };
    let inside = starts.iter().find_map(|start| match absolute.strip_prefix(&start[..])? {
        b"" => Some(Vec::new()),
        [b'/', inside @ ..] => Some(inside.to_vec()),
        inside if start == b"/" => Some(inside.to_vec()),
        _ => None,
    });
    inside.unwrap_or(absolute)
}

/// A host on which the written files are there too.
pub(super) struct Overlaid {
    pub(super) host: Rc<dyn Host>,
    pub(super) folder: Rc<[u8]>,
    pub(super) written: WrittenFiles,
}

impl Files for Overlaid {
    fn list(&self, folder: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        let place = self.written.plain(&self.folder, folder);
        let mut listed: Vec<Vec<u8>> = Vec::new();
        // A name that is not known as a whole is in no list.
        for path in self.written.files.borrow().keys().filter(|path| !path.contains(&0)) {
            let slash = path.iter().rposition(|&byte| byte == b'/');
            let inside = match slash {
                Some(0) => &b"/"[..],
                Some(slash) => &path[..slash],
                None => b"",
            };
            if *inside == *place {
                listed.push(path[slash.map_or(0, |slash| slash + 1)..].to_vec());
            }
        }
        let there = self.host.list(folder, &mut |name| {
            if !listed.iter().any(|one| one == name) {
                each(name);
            }
        });
        listed.iter().for_each(|name| each(name));
        there || !listed.is_empty()
    }

    fn exists(&self, path: &[u8]) -> bool {
        self.written.get(&self.folder, path).is_some() || self.host.exists(path)
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        self.host.is_folder(path)
    }

    fn physical(&self, path: &[u8]) -> Option<Vec<u8>> {
        self.host.physical(path)
    }

    fn status(&self, path: &[u8], follow: bool) -> Option<Status> {
        let Some(file) = self.written.get(&self.folder, path) else {
            return self.host.status(path, follow);
        };
        Some(Status {
            kind: FileKind::Regular,
            // What is not known is there: a message, mostly.
            size: (file.borrow().len() + usize::from(file.borrow().has_hole())) as u64,
            mode: 0o644,
            access: [true, true, false],
            // It is newer than what was there at the start.
            modified: (i64::MAX, 0),
            owner: self
                .host
                .process()
                .map_or((0, 0), |one| (one.effective_user, one.effective_group)),
            identity: (u64::MAX, Rc::as_ptr(&file).addr() as u64),
        })
    }

    fn read(&self, path: &[u8], limit: usize) -> Option<Vec<u8>> {
        match self.written.get(&self.folder, path) {
            Some(file) if file.borrow().has_hole() => None,
            Some(file) => Some(file.borrow().bytes().to_vec()),
            None => self.host.read(path, limit),
        }
    }
}

impl Users for Overlaid {
    fn home(&self, user: &[u8]) -> Option<Vec<u8>> {
        self.host.home(user)
    }
}

impl Commands for Overlaid {
    fn answer(&self, argv: &[&[u8]]) -> Answer {
        self.host.answer(argv)
    }

    fn may_run(&self) -> bool {
        self.host.may_run()
    }

    fn executable(&self, path: &[u8]) -> Option<Result<Block, Refused>> {
        match self.written.get(&self.folder, path) {
            // What a redirection has made may not be executed.
            Some(_) => Some(Err(Refused {
                errno: Errno::EACCES,
                why: "nobody may execute it: it has no x permission",
            })),
            None => self.host.executable(path),
        }
    }

    fn machine(&self) -> Option<u16> {
        self.host.machine()
    }

    fn set_mask(&self, mask: u32) {
        self.host.set_mask(mask);
    }

    fn run(&self, run: &Run<'_>) -> Option<Ran> {
        self.host.run(run)
    }

    fn create(&self, path: &[u8], append: bool) -> Option<Result<Rc<dyn Sink>, String>> {
        self.host.create(path, append)
    }
}

#[cfg(test)]
mod tests {
    use super::from_start;
    use crate::host::{join, normal};

    #[test]
    fn paths_are_told_apart_by_where_they_lead() {
        let plain = |folder: &[u8], path: &[u8]| {
            let starts = [b"/co-op/now".to_vec(), b"/disk/co-op".to_vec()];
            from_start(normal(&join(folder, path)), &starts)
        };
        assert_eq!(plain(b"", b"./combs//jar"), b"combs/jar");
        assert_eq!(plain(b"/co-op/combs", b"../jar"), b"/co-op/jar");
        assert_eq!(plain(b"combs", b"/jar"), b"/jar");
        assert_eq!(plain(b"", b"../jar"), b"/co-op/jar");
        assert_eq!(plain(b"", b"../now/jar"), b"jar");
        assert_eq!(plain(b"/co-op", b"now/combs/jar"), b"combs/jar");
        assert_eq!(plain(b"", b"/disk/co-op/jar"), b"jar");
        assert_eq!(plain(b"", b"/disk/co-op"), b"");
        assert_eq!(plain(b"", b"/disk/co-operative"), b"/disk/co-operative");
        assert_eq!(from_start(b"../jar".to_vec(), &[]), b"../jar");
        assert_eq!(from_start(b"/jar".to_vec(), &[b"/".to_vec()]), b"jar");
    }
}
