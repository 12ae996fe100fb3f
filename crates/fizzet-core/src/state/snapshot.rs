//! What a subshell may change without the shell around it noticing.

use std::collections::{BTreeMap, BTreeSet};
use std::rc::Rc;

use rustc_hash::FxHashMap;

use crate::dialect::Dialect;
use crate::expand::pattern::Disabled;
use crate::state::{
    Aliases, Function, Hashed, MathFunctions, Options, Positional, Replaced, State, Tie, Variables,
};
use crate::text::Text;

/// A shell as it is when a subshell begins.
pub(crate) struct Snapshot {
    variables: Variables,
    ties: Rc<Vec<Tie>>,
    positional: Positional,
    functions: FxHashMap<Rc<[u8]>, Function>,
    function_files: BTreeMap<Box<[u8]>, Box<[u8]>>,
    math: MathFunctions,
    options: Options,
    utf8: bool,
    dialect: Rc<Dialect>,
    aliases: Rc<Aliases>,
    asked_aliases: Rc<BTreeSet<Rc<[u8]>>>,
    hashed: Rc<Hashed>,
    forgotten: Vec<Box<[u8]>>,
    folder: Rc<[u8]>,
    entered: Text,
    left: Text,
    named_folders: Rc<BTreeMap<Box<[u8]>, Text>>,
    put_aside: Vec<Text>,
    tilde_was_assigned: bool,
    disabled_patterns: Disabled,
    replaced: Option<Replaced>,
    folders_assigned: bool,
    resources: BTreeMap<(u8, bool), Text>,
}

impl State {
    /// Notes what the shell is like.
    pub(crate) fn snapshot(&self) -> Snapshot {
        Snapshot {
            variables: self.variables.clone(),
            ties: self.ties.clone(),
            positional: self.positional.share(),
            functions: self.functions.clone(),
            function_files: self.function_files.clone(),
            math: self.math.clone(),
            options: self.options.clone(),
            utf8: self.utf8,
            dialect: self.dialect.clone(),
            aliases: self.aliases.clone(),
            asked_aliases: self.asked_aliases.clone(),
            hashed: self.hashed.clone(),
            forgotten: self.forgotten.clone(),
            folder: self.folder.clone(),
            entered: self.entered.clone(),
            left: self.left.clone(),
            named_folders: self.named_folders.clone(),
            put_aside: self.put_aside.clone(),
            tilde_was_assigned: self.tilde_was_assigned,
            disabled_patterns: self.disabled_patterns,
            replaced: self.replaced.clone(),
            folders_assigned: self.folders_assigned,
            resources: self.resources.clone(),
        }
    }

    /// Makes the shell what it was; answers the variables of the subshell.
    pub(crate) fn come_back(&mut self, snapshot: Snapshot) -> Variables {
        self.ties = snapshot.ties;
        self.positional = snapshot.positional;
        self.functions = snapshot.functions;
        self.function_files = snapshot.function_files;
        self.math = snapshot.math;
        self.options = snapshot.options;
        self.utf8 = snapshot.utf8;
        self.dialect = snapshot.dialect;
        self.aliases = snapshot.aliases;
        self.asked_aliases = snapshot.asked_aliases;
        self.hashed = snapshot.hashed;
        self.forgotten = snapshot.forgotten;
        self.folder = snapshot.folder;
        self.entered = snapshot.entered;
        self.left = snapshot.left;
        self.named_folders = snapshot.named_folders;
        self.put_aside = snapshot.put_aside;
        self.tilde_was_assigned = snapshot.tilde_was_assigned;
        self.disabled_patterns = snapshot.disabled_patterns;
        self.replaced = snapshot.replaced;
        self.folders_assigned = snapshot.folders_assigned;
        self.resources = snapshot.resources;
        std::mem::replace(&mut self.variables, snapshot.variables)
    }
}
