//! Variables that the shell keeps itself, such as LINENO: they are made anew whenever somebody looks.

use std::collections::BTreeMap;
use std::rc::Rc;

use crate::dialect::{
    self, Assigned, EvalLines, Fact, FolderList, LastArgument, Own, is_listed_integer, own_names,
    own_variable,
};
use crate::host::Process;
use crate::source::{SourceId, SourceKind, Span};
use crate::state::argument_stack::ArgumentStack;
use crate::state::inner_lines::InnerLines;
use crate::state::{Digits, Keeps, State, Value, Variable};
use crate::stop::{Status, Stop};
use crate::syntax::ast::CommandSubstitution;
use crate::text::{Standing, Text};

/// A function that is being called, or a file that `.` is carrying out.
#[derive(Clone, Debug)]
pub struct Call {
    /// Its name.
    pub name: Text,
    /// The text that it is from.
    pub source: SourceId,
    /// Where it was called.
    pub from: Span,
    /// Where its body starts.
    pub body: Span,
    /// Whether it is a file.
    pub is_file: bool,
}

/// What the patterns of a list of words have matched so far.
#[derive(Clone, Copy, Default, PartialEq, Eq, PartialOrd, Ord, Debug)]
pub(crate) enum Matching {
    /// There was none.
    #[default]
    Unasked,
    /// No pathname.
    None,
    /// Some pathnames.
    Some,
}

/// What the variables tell that the shell keeps itself.
#[derive(Clone, Default, Debug)]
pub struct Doing {
    /// The command that is being carried out.
    pub(crate) at: Option<Span>,
    /// What the shell calls it, where somebody may ask for that.
    pub(crate) command: Option<Text>,
    /// The lines of the substitutions around it, outermost first.
    pub(crate) inner_lines: Vec<Rc<InnerLines>>,
    /// The functions and files around it, outermost first.
    pub(crate) calls: Vec<Call>,
    /// The arguments of the calls that are kept.
    pub(crate) arguments: ArgumentStack,
    /// Whether the redirections of a subshell are made, whose mistakes count as those of the shell around it.
    pub(crate) opens_subshell: bool,
    /// Whether a mistake has left functions of a script behind, where FUNCNAME tells of the script from then on.
    pub(crate) shows_main: bool,
    /// The status of each command of the latest pipeline.
    pub(crate) statuses: Vec<Status>,
    /// The vector whose last element is `$_`; none yet at the start.
    pub(crate) last: Option<Rc<Vec<Text>>>,
    /// The last field of the word that was expanded last, before the files it matches took its place.
    pub(crate) pattern: Option<Text>,
    /// What the patterns of the list of words matched that is being expanded.
    pub(crate) matching: Matching,
    /// How many function calls have ended.
    pub(crate) returned: u64,
    /// The process that is the shell.
    pub(crate) process: Option<Process>,
    /// The name of the machine.
    pub(crate) machine: Option<Vec<u8>>,
    /// How many subshells it is in.
    pub(crate) depth: u32,
    /// How far an assignment has moved the numbers of lines.
    pub(crate) lines_moved: i64,
}

/// The variables that tell the stack of folders.
const FOLDER_LISTS: [&[u8]; 2] = [b"DIRSTACK", b"dirstack"];

impl State {
    /// Brings a variable up to date that the shell keeps itself, and answers what of it nobody can know.
    pub fn freshen(&mut self, name: &[u8]) -> Option<&'static str> {
        if FOLDER_LISTS.contains(&name) {
            self.take_assigned_folders();
        }
        if self.variables.get(name).is_some_and(|variable| !variable.own) {
            return None;
        }
        let (own, assigned) = own_variable(self.dialect.shell, name)?;
        let value = match own {
            Own::Text(text) => Value::Scalar(self.shell_text(text.as_bytes())),
            Own::List(texts) => self.list_of(texts.iter().map(|text| text.as_bytes().to_vec())),
            Own::Line => self.number_of(self.line_now() + self.doing.lines_moved),
            Own::Calls => self.list_of(self.call_names().into_iter()),
            Own::Traces if self.doing.calls.is_empty() => self.list_of(std::iter::empty()),
            Own::Traces => self.unknown_value(),
            Own::Options => Value::Scalar(self.shell_text(self.options_on().join(":").as_bytes())),
            Own::Shopts => {
                Value::Scalar(self.shell_text(self.options.shopts_on().join(":").as_bytes()))
            }
            Own::Function => {
                let name = self.doing.calls.last().map(|call| call.name.clone());
                Value::Scalar(name.unwrap_or_default())
            }
            Own::Places => self.list_of(self.call_places().into_iter()),
            Own::CallLines => {
                let lines = self.call_lines().into_iter().map(|line| line.to_string().into_bytes());
                self.list_of(lines)
            }
            Own::ArgumentCounts => {
                self.keep_arguments();
                let counts = self.doing.arguments.counts();
                self.list_of(counts.map(|count| count.to_string().into_bytes()))
            }
            Own::Arguments => {
                self.keep_arguments();
                let first = self.dialect.first_index;
                let arguments = self.doing.arguments.values().cloned();
                Value::Indexed((first..).zip(arguments).collect())
            }
            Own::Zero => Value::Scalar((*self.positional.zero).clone()),
            Own::Statuses => {
                let statuses = self.doing.statuses.iter();
                self.list_of(statuses.map(|status| status.to_string().into_bytes()))
            }
            Own::Folders(list) => self.folder_list(list),
            Own::Status => self.number_of(i64::from(self.status)),
            Own::Count => self.number_of(self.positional.count() as i64),
            Own::LastArgument => match &self.doing.last {
                Some(argv) => Value::Scalar(argv.last().cloned().unwrap_or_default()),
                None if self.dialect.last_argument == LastArgument::Behind => self.unknown_value(),
                None => Value::Scalar(Text::new()),
            },
            Own::CommandText if self.is_script() => return None,
            Own::CommandText => {
                Value::Scalar(self.shell_text(&self.sources.get(SourceId::MAIN).bytes))
            }
            Own::ScriptPath => {
                let path = self.sources.path(SourceId::MAIN).filter(|_| self.is_script())?;
                Value::Scalar(self.shell_text(path))
            }
            Own::Command => Value::Scalar(self.doing.command.clone().unwrap_or_default()),
            Own::Depth => self.number_of(i64::from(self.doing.depth)),
            Own::Process(fact) => match self.fact(fact) {
                Some(number) => self.number_of(i64::from(number)),
                None => self.unknown_value(),
            },
            Own::Table(table) => self.told_in_table(table),
            Own::MachineName => match &self.doing.machine {
                Some(name) => Value::Scalar(self.shell_text(name)),
                None => self.unknown_value(),
            },
            Own::Machine(_) => self.unknown_value(),
        };
        match &value {
            Value::Indexed(elements)
                if elements.is_empty() && !self.dialect.empty_arrays_are_set =>
            {
                self.variables.remove(name);
            }
            _ => {
                let exported = self.variables.get(name).is_some_and(|before| before.exported);
                let read_only = assigned == Assigned::Frozen;
                let keeps = match own {
                    Own::Text(_) if is_listed_integer(self.dialect.shell, name) => {
                        Keeps::Integer(Digits::of(10))
                    }
                    _ => Keeps::Text,
                };
                let disciplined = self.variables.get(name).is_some_and(|before| before.disciplined);
                let fresh =
                    Variable { exported, read_only, keeps, disciplined, ..Variable::own(value) };
                self.variables.restore(name, Some(fresh));
            }
        }
        match own {
            Own::Process(fact) if self.fact(fact).is_none() => Some(fact.what()),
            Own::MachineName if self.doing.machine.is_none() => Some("the machine's name"),
            Own::Machine(what) => Some(what),
            Own::LastArgument
                if self.doing.last.is_none()
                    && self.dialect.last_argument == LastArgument::Behind =>
            {
                Some("the path of the shell")
            }
            _ => None,
        }
    }

    /// Somebody asks for the arguments of all calls: outside of functions those of the shell are kept from here on.
    pub(crate) fn keep_arguments(&mut self) {
        let in_function = self.doing.calls.iter().any(|call| !call.is_file);
        if !in_function && !self.options.debugger {
            self.doing.arguments.begin(self.positional.all());
        }
    }

    /// The stack of folders as a variable tells it.
    fn folder_list(&mut self, list: FolderList) -> Value {
        self.take_assigned_folders();
        let entered = (list == FolderList::Whole).then(|| self.entered.clone());
        let folders = entered.into_iter().chain(self.put_aside.iter().cloned());
        Value::Indexed((self.dialect.first_index..).zip(folders).collect())
    }

    /// The name that a path is written with behind a tilde, and how much of it that stands for: of the home
    /// folder and those that have names, the one that saves most.
    pub(crate) fn name_of_folder(&self, path: &[u8]) -> Option<(Vec<u8>, usize)> {
        let home = self.variables.scalar(b"HOME").filter(|home| home.len() > 1);
        let named = self.named_folders.iter().map(|(name, named)| (&**name, named));
        let all = home.map(|home| (&b""[..], home)).into_iter().chain(named);
        let above = all.filter(|(_, above)| {
            let below = path.strip_prefix(above.bytes());
            below.is_some_and(|below| matches!(below, [] | [b'/', ..]))
        });
        let best = above.max_by_key(|(name, above)| above.len() as i64 - name.len() as i64);
        let (name, above) = best.filter(|(name, above)| above.len() > name.len())?;
        Some((name.to_vec(), above.len()))
    }

    /// Is told before an assignment to a variable, which may be the one that tells the stack of folders.
    pub(crate) fn before_assignment(&mut self, name: &[u8]) {
        if !FOLDER_LISTS.contains(&name) {
            return;
        }
        let kept = self.variables.get(name).is_none_or(|variable| variable.own);
        if kept && let Some((Own::Folders(list), _)) = own_variable(self.dialect.shell, name) {
            self.freshen(name);
            if let Some(variable) = self.variables.get_mut(name) {
                variable.own = list == FolderList::Whole;
            }
            self.folders_assigned = true;
        }
    }

    /// Makes the stack of folders what has been assigned to the variable that tells it.
    pub(crate) fn take_assigned_folders(&mut self) {
        if !std::mem::take(&mut self.folders_assigned) {
            return;
        }
        let list = |name: &[u8]| match own_variable(self.dialect.shell, name) {
            Some((Own::Folders(list), _)) => Some(list),
            _ => None,
        };
        let found = FOLDER_LISTS.iter().find_map(|name| Some((*name, list(name)?)));
        let Some((name, list)) = found else { return };
        let elements = match self.variables.get_mut(name) {
            Some(Variable { value: Value::Indexed(elements), own, .. }) => {
                *own = true;
                elements.clone()
            }
            Some(Variable { value: Value::Scalar(text), own, .. }) => {
                *own = true;
                BTreeMap::from([(1, text.clone())])
            }
            _ => return,
        };
        match list {
            FolderList::Below => self.put_aside = elements.into_values().collect(),
            FolderList::Whole => {
                for (folder, at) in self.put_aside.iter_mut().zip(self.dialect.first_index + 1..) {
                    if let Some(assigned) = elements.get(&at) {
                        *folder = assigned.clone();
                    }
                }
            }
        }
    }

    /// The number of the process that is the shell, if programs are started from it.
    pub(crate) fn own_number(&self) -> Option<u32> {
        Some(self.doing.process?.numbers?.own)
    }

    /// What the system says of the process that carries out the commands on hand.
    fn fact(&self, fact: Fact) -> Option<u32> {
        let process = self.doing.process?;
        match fact {
            Fact::Number => self.own_number().filter(|_| self.doing.depth == 0),
            Fact::Parent => process.numbers.map(|numbers| numbers.parent),
            Fact::User => Some(process.user),
            Fact::EffectiveUser => Some(process.effective_user),
            Fact::Group => Some(process.group),
            Fact::EffectiveGroup => Some(process.effective_group),
        }
    }

    /// Whether an assignment changes nothing, since the shell goes on to keep the variable.
    ///
    /// # Errors
    /// The shell lets nobody change it.
    pub(super) fn keeps_itself(&mut self, name: &[u8], span: Span) -> Result<bool, Stop> {
        if self.variables.get(name).is_some_and(|variable| !variable.own) {
            return Ok(false);
        }
        match own_variable(self.dialect.shell, name) {
            kept @ (None | Some((_, Assigned::Plain))) => {
                // What has attributes from the start keeps them.
                if matches!(kept, Some((Own::Text(_), _))) && self.variables.get(name).is_none() {
                    self.freshen(name);
                }
                if let Some(Variable { own, .. }) = self.variables.get_mut(name) {
                    *own = false;
                }
                Ok(false)
            }
            Some((Own::Folders(_), _)) => Ok(false),
            Some((_, Assigned::Kept | Assigned::Moved)) => Ok(true),
            Some((_, Assigned::Frozen)) => Err(self.read_only(name, span)),
            Some((_, Assigned::Held | Assigned::Fixed)) => Err(self.held(name, span)),
        }
    }

    fn line_now(&self) -> i64 {
        self.doing.at.map_or(0, |at| self.line_number(at))
    }

    /// Numbers the lines such that the one behind the command has this number.
    pub(super) fn move_lines(&mut self, number: i64) {
        self.doing.lines_moved = number.wrapping_sub(self.line_now() + 1);
    }

    /// What becomes of an assignment to a variable that the shell keeps, if it does.
    fn assigned_own(&self, name: &[u8]) -> Option<Assigned> {
        match self.variables.get(name) {
            Some(variable) if !variable.own => None,
            _ => own_variable(self.dialect.shell, name).map(|(_, assigned)| assigned),
        }
    }

    /// Whether a plain assignment of one value changes nothing, where others are mistakes.
    pub(crate) fn is_held(&self, name: &[u8]) -> bool {
        matches!(self.assigned_own(name), Some(Assigned::Held | Assigned::Fixed))
    }

    /// # Errors
    /// The shell keeps the variable, and only a plain assignment would be passed over.
    pub(crate) fn check_held(&self, name: &[u8], span: Span) -> Result<(), Stop> {
        if self.is_held(name) { Err(self.held(name, span)) } else { Ok(()) }
    }

    /// Whether the shell lets nobody unset a variable.
    pub(crate) fn is_fixed(&self, name: &[u8]) -> bool {
        self.assigned_own(name) == Some(Assigned::Fixed)
    }

    /// Stops keeping a variable that `unset` has taken away: from now on it is one like others.
    pub fn give_up(&mut self, name: &[u8]) {
        self.option_follows(name, false);
        self.follow_locale(name);
        match own_variable(self.dialect.shell, name) {
            None => return,
            // The command that takes it away leaves its own argument in it.
            Some((Own::LastArgument, _)) if self.dialect.last_argument == LastArgument::Behind => {
                self.variables.remove(name);
                return;
            }
            Some(_) => {}
        }
        let plain = Variable { own: false, ..Variable::own(Value::Nothing) };
        self.variables.restore(name, Some(plain));
    }

    /// Forgets what the environment says of variables that the shell keeps whatever is assigned to them.
    pub fn forget_inherited(&mut self) {
        for name in own_names(self.dialect.shell) {
            let kept = own_variable(self.dialect.shell, name);
            if kept.is_some_and(|(_, assigned)| assigned != Assigned::Plain) {
                self.variables.remove(name);
            }
        }
    }

    /// Brings all variables up to date that the shell keeps itself and whose names begin like this.
    pub fn freshen_like(&mut self, prefix: &[u8]) {
        own_names(self.dialect.shell).filter(|name| name.starts_with(prefix)).for_each(|name| {
            self.freshen(name);
        });
    }

    /// The number of the line that a place is on, as the shell counts them.
    pub(crate) fn line_number(&self, at: Span) -> i64 {
        let rules = &self.dialect.line_numbers;
        let called = self.doing.calls.last().filter(|_| rules.functions_count_anew);
        let inner = self.doing.inner_lines.iter().rev().find(|lines| lines.holds(at));
        // A function that is called in the same substitution counts its own lines.
        let inner = inner.filter(|lines| called.is_none_or(|call| !lines.holds(call.body)));
        if let Some(line) = inner.and_then(|lines| lines.line_of(at, &self.sources)) {
            return line;
        }
        let source = self.sources.get(at.source);
        let (line, _) = source.line_of(at.start as usize);
        if let Some(call) = called
            && call.source == at.source
            // The lines of a function that is all of a file are those of the file.
            && call.body.start > 0
        {
            return (line - self.sources.get(at.source).line_of(call.body.start as usize).0) as i64;
        }
        match (&source.kind, rules.first_of_text) {
            (SourceKind::Line, None) => 0,
            (SourceKind::Line, Some(first)) => first + line as i64 - 1,
            _ => self.sources.line_number(at.source, line),
        }
    }

    /// Numbers the lines of a substitution that is about to be carried out.
    pub(crate) fn number_inner_lines(&mut self, command: &CommandSubstitution) {
        let rule = self.dialect.inner_lines;
        if rule != dialect::InnerLines::OfSource {
            let here = self.doing.at.map_or(1, |at| self.line_number(at));
            self.doing.inner_lines.push(Rc::new(InnerLines::new(rule, command, here)));
        }
    }

    /// Numbers the lines of a text that is about to be carried out.
    pub(crate) fn number_lines(&mut self, source: SourceId, rule: EvalLines) {
        let here = self.doing.at.map_or(1, |at| self.line_number(at));
        match rule {
            EvalLines::Own | EvalLines::SameIfAsked => self.sources.set_line(source, 1, false),
            EvalLines::On => self.sources.set_line(source, here, false),
            EvalLines::Same => self.sources.set_line(source, here, true),
        }
    }

    fn unknown_value(&self) -> Value {
        let mut text = Text::new();
        text.push_hole(Standing::Quoted, &self.shell_origin());
        Value::Scalar(text)
    }

    fn number_of(&self, number: i64) -> Value {
        Value::Scalar(self.shell_number(number))
    }

    fn list_of(&self, items: impl Iterator<Item = Vec<u8>>) -> Value {
        let first = self.dialect.first_index;
        let pairs = items.zip(first..).map(|(item, at)| (at, self.shell_text(&item)));
        Value::Indexed(pairs.collect::<BTreeMap<i64, Text>>())
    }

    /// Whether the text that is traced is a script in a file.
    pub(crate) fn is_script(&self) -> bool {
        matches!(self.sources.get(SourceId::MAIN).kind, SourceKind::File(_))
    }

    /// Whether the shell carries out the text of `-c` now, outside of subshells.
    pub(crate) fn in_text(&self) -> bool {
        !self.is_script() && self.doing.depth == u32::from(self.doing.opens_subshell)
    }

    /// The status of a variable that is not set where it must be.
    pub(crate) fn unset_status(&self) -> Status {
        let of_texts = self.dialect.unset_status_of_texts;
        let counts = self.in_text() && !self.options.exit_on_error;
        of_texts.filter(|_| counts).unwrap_or(self.dialect.unset_status)
    }

    pub(crate) fn call_names(&self) -> Vec<Vec<u8>> {
        let shows_main = self.doing.shows_main && self.dialect.names_main;
        if self.doing.calls.iter().all(|call| call.is_file) && !shows_main {
            return Vec::new();
        }
        let mut names: Vec<Vec<u8>> =
            self.doing.calls.iter().rev().map(|call| call.name.bytes().to_vec()).collect();
        if self.dialect.names_main && self.is_script() && (shows_main || !names.is_empty()) {
            names.push(b"main".to_vec());
        }
        names
    }

    pub(crate) fn call_places(&self) -> Vec<Vec<u8>> {
        let place = |id: SourceId| match self.sources.path(id) {
            Some(path) => path.to_vec(),
            None => b"environment".to_vec(),
        };
        let calls = self.doing.calls.iter().rev();
        let mut places: Vec<Vec<u8>> = calls.map(|call| place(call.source)).collect();
        if self.is_script() {
            places.push(self.positional.zero.bytes().to_vec());
        }
        places
    }

    pub(crate) fn call_lines(&self) -> Vec<i64> {
        let calls = self.doing.calls.iter().rev();
        let mut lines: Vec<i64> = calls.map(|call| self.line_number(call.from)).collect();
        if self.is_script() {
            lines.push(0);
        }
        lines
    }
}
