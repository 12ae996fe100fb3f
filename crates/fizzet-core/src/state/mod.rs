//! What a shell remembers between commands: variables, positional parameters, options.

mod argument_stack;
pub(crate) mod associative;
mod base;
mod field;
mod inner_lines;
pub mod inside;
mod jobs;
mod kept_aside;
mod locale;
mod math_functions;
mod options;
mod own;
mod parameters;
mod set;
mod snapshot;
mod store;
mod stretch;
mod tables;
mod ties;
mod value;
mod variables;
mod zsh_options;

use rustc_hash::FxHashMap;
use std::borrow::Cow;
use std::cell::RefCell;
use std::collections::{BTreeMap, BTreeSet};
use std::rc::Rc;

pub use associative::Associative;
pub use jobs::Jobs;
pub(crate) use jobs::Known;
pub use kept_aside::{KeptFor, kept_name, shown_name};
pub use options::Options;
pub(crate) use own::Matching;
pub use own::{Call, Doing};
pub use parameters::Positional;
pub use store::{BEFORE_START, element_name, is_one_index};
pub use stretch::Stretch;
pub use tables::Table;
pub use ties::Tie;
pub use value::{Digits, Keeps, Key, Value, Variable};
pub(crate) use value::{is_made_by_reading, listed, made_by_reading};
pub(crate) use variables::MAX_NAMES;
pub use variables::Variables;
pub(crate) use zsh_options::ByName;

pub use crate::dialect::Padding;
pub use field::{Field, Side};
pub(crate) use math_functions::{MathFunction, MathFunctions};

use crate::dialect::{Dialect, OptionIndex, Own, UtilityKind, WithoutPath, own_variable};
use crate::expand::Ifs;
use crate::expand::pattern::{Disabled, PatternRules, VariableClasses};
use crate::lineage::{Origin, Rule};
use crate::source::{SourceKind, Sources, Span};
use crate::stop::{Limits, Reach, Status, Stop};
use crate::syntax::ast::Command;
use crate::syntax::{Alias, AliasCounts, Aliases};
use crate::text::{Standing, Text};
use crate::trace::Missing;

/// A function.
#[derive(Clone, Debug)]
pub struct Function {
    /// Its body.
    pub body: Rc<Command>,
    /// Whether it was written with `function`.
    pub keyword: bool,
    /// Where it was defined.
    pub span: Span,
    /// What has been declared of its name.
    pub marks: FunctionMarks,
    /// The shell whose options it has, if it was defined in a text that `emulate -c` evaluates.
    pub emulation: Option<Rc<Emulation>>,
}

impl Function {
    /// One without marks.
    pub fn new(body: Rc<Command>, keyword: bool, span: Span) -> Function {
        Function { body, keyword, span, marks: FunctionMarks::default(), emulation: None }
    }
}

/// What `emulate` sets (zshbuiltins, "emulate").
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Emulation {
    /// The shell, by its first letter.
    pub shell: Box<[u8]>,
    /// Whether `-R` sets more options.
    pub whole: bool,
    /// The options that were given besides, letters or names, and whether they are on.
    pub settings: Vec<(Box<[u8]>, bool)>,
}

/// What `declare -f` says of a function; it stays when the function is defined again.
#[derive(Clone, Copy, PartialEq, Eq, Default, Debug)]
pub struct FunctionMarks {
    /// It can be neither defined again nor unset.
    pub read_only: bool,
    /// It calls the actions for DEBUG and RETURN.
    pub traced: bool,
    /// Programs get it.
    pub exported: bool,
}

impl FunctionMarks {
    /// The marks as the option letters of `declare`.
    pub fn letters(self) -> String {
        let letters = [(self.read_only, 'r'), (self.traced, 't'), (self.exported, 'x')];
        letters.into_iter().filter(|(is, _)| *is).map(|(_, letter)| letter).collect()
    }
}

/// The actions of `trap`, by their conditions: EXIT, `INT`, `34`.
pub type Traps = FxHashMap<Rc<[u8]>, Text>;

/// An element of an array: its name, and the key.
pub type ElementOf = (Rc<[u8]>, Key);

/// How many missing answers are kept.
const MAX_MISSING: usize = 1000;

/// How programs are followed into the kernel.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Follows {
    /// The stack limit in bytes that their vectors are held against.
    pub stack: u64,
    /// Whether the way leads on through `env` and `nohup`.
    pub through: bool,
}

/// The programs that were found, by name.
pub type Hashed = FxHashMap<Box<[u8]>, HashedProgram>;

/// A program that was found.
#[derive(Clone, Debug, Default)]
pub struct HashedProgram {
    /// Where, if the script has said that.
    pub path: Option<Box<[u8]>>,
    /// How often it was run since.
    pub hits: u32,
    /// How many were found before it.
    pub made: usize,
    /// Whether the shell has been in another folder since.
    pub is_stale: bool,
}

/// What a modifier has replaced, and by what.
pub(crate) type Replaced = (Rc<[u8]>, Rc<[u8]>);

/// The state of one shell.
#[derive(Clone)]
pub struct State {
    /// Its rules.
    pub dialect: Rc<Dialect>,
    /// All texts seen so far.
    pub sources: Sources,
    /// Variables.
    pub variables: Variables,
    /// `$0` and the positional parameters.
    pub positional: Positional,
    /// Shell options.
    pub options: Options,
    /// Functions by name.
    pub functions: FxHashMap<Rc<[u8]>, Function>,
    /// Aliases by name.
    pub aliases: Rc<Aliases>,
    /// Names without an alias that `alias` has been asked for, where that makes them known to `unalias`.
    pub asked_aliases: Rc<BTreeSet<Rc<[u8]>>>,
    /// Programs that were found, with a path where the script has named one.
    pub hashed: Rc<Hashed>,
    /// How many programs have been put there so far.
    pub(crate) programs_found: usize,
    /// Utilities that the script has switched off.
    pub forgotten: Vec<Box<[u8]>>,
    /// The variables that an expansion assigns, while somebody asks.
    pub(crate) assigned: Option<Vec<Rc<[u8]>>>,
    /// What OPTIND has been set to since `getopts` last looked.
    pub assigned_option_index: Option<Text>,
    /// Whether that was the latest that has happened to OPTIND.
    pub(crate) index_by_script: bool,
    /// Whether OPTIND has been unset where that makes it a variable like any other.
    pub(crate) index_is_lost: bool,
    /// Whether OPTIND has been assigned since a function has made it local.
    pub(crate) index_is_touched: bool,
    /// Whether OPTARG has been unset where it stays so.
    pub(crate) value_is_lost: bool,
    /// Lists and texts that say the same.
    pub ties: Rc<Vec<Tie>>,
    /// Actions of `trap` by condition.
    pub traps: Traps,
    /// How programs are followed into the kernel, if they are.
    pub follows: Option<Follows>,
    /// Those of the shell around a subshell, as long as it may still tell them.
    pub outer_traps: Option<Rc<Traps>>,
    /// The functions that stand between variables and what reads or changes them, as long as they run.
    pub(crate) disciplines_at_work: Vec<Rc<[u8]>>,
    /// The folder that `cd` has gone to, as reached from where the trace began.
    pub folder: Rc<[u8]>,
    /// The folder that the shell is in, as it knows it itself.
    pub entered: Text,
    /// The folder that it was in before.
    pub left: Text,
    /// Folders that `hash -d` has named.
    pub(crate) named_folders: Rc<BTreeMap<Box<[u8]>, Text>>,
    /// Folders that `pushd` has put aside, latest first.
    pub put_aside: Vec<Text>,
    /// Whether a tilde has stood in the value of an assignment.
    pub(crate) tilde_was_assigned: bool,
    /// The operators of patterns that are switched off.
    pub(crate) disabled_patterns: Disabled,
    /// What the latest modifier `s/from/to/` replaced, and by what.
    pub(crate) replaced: Option<Replaced>,
    /// The array and the index that were looked up last, where going through an array goes on behind that.
    pub(crate) array_place: Option<(Rc<[u8]>, i64)>,
    /// Whether the variable that tells them has been assigned to since.
    pub(crate) folders_assigned: bool,
    /// The functions of expressions that `functions -M` has made.
    pub(crate) math: MathFunctions,
    /// The files of functions that are read from a path of their own when they are called.
    pub(crate) function_files: BTreeMap<Box<[u8]>, Box<[u8]>>,
    /// The limits that `ulimit` has set: of each resource, the hard one with true.
    pub(crate) resources: BTreeMap<(u8, bool), Text>,
    /// `umask`
    pub mask: u32,
    /// `$?`
    pub status: Status,
    /// The shell that `emulate -c` has a text or a function be evaluated as.
    pub emulation: Option<Rc<Emulation>>,
    /// What the variables tell that the shell keeps itself.
    pub doing: Doing,
    /// Options that are on at the start, by the names that `set -o` knows.
    pub start_options: Vec<String>,
    /// Whether the locale of the environment has multi-byte characters.
    pub(crate) starts_as_utf8: bool,
    /// Whether characters have several bytes in the locale of the variables.
    pub(crate) utf8: bool,
    /// What the environment holds under names that no variable can have.
    pub strings_passed_on: Vec<(Vec<u8>, Vec<u8>)>,
    /// What the background commands have ended with, in the order of their starts.
    pub jobs: Jobs,
    /// When it gives up.
    pub limits: Limits,
    /// Steps taken.
    pub steps: u64,
    /// How many values of variables are being read as expressions, each inside another.
    pub(crate) values_read: u32,
    /// How many prompts are being expanded, one inside the other.
    pub(crate) prompts: u32,
    /// Whether what each stage of an expansion makes is kept.
    pub keeps_stages: bool,
    /// Whether an external command's status had to be assumed.
    pub assumed_status: bool,
    /// Whether an unquoted `$*` is joined, since it stands in a word that is not split.
    pub joins_stars: bool,
    shell_origin: Origin,
    /// What nobody can know that was asked for.
    pub(crate) missing: Vec<Missing>,
    /// IFS as it was last taken apart.
    pub(crate) latest_ifs: RefCell<Option<Rc<Ifs>>>,
}

impl State {
    /// How the shell carries out `name`, unless it is a function, an external command or a utility that the
    /// script has switched off.
    pub fn utility(&self, name: &[u8]) -> Option<UtilityKind> {
        match self.forgotten.iter().any(|one| **one == *name) {
            true => None,
            false => self.dialect.utility(name),
        }
    }

    /// A shell at its start: IFS is set, nothing else.
    pub fn new(dialect: Dialect, main: SourceKind, text: &[u8]) -> State {
        let has_text = main == SourceKind::Line;
        let mut sources = Sources::new(main, text);
        let shell_source = sources.add(SourceKind::Shell, b"");
        let shell_origin = Origin::new(Rule::Shell, Span::new(shell_source, 0, 0));
        let ties = if dialect.tied_path { ties::at_start() } else { Rc::default() };
        let mut state = State {
            dialect: Rc::new(dialect),
            sources,
            variables: Variables::default(),
            positional: Positional::default(),
            options: Options::default(),
            functions: FxHashMap::default(),
            emulation: None,
            aliases: Rc::default(),
            asked_aliases: Rc::default(),
            assigned_option_index: None,
            index_by_script: false,
            index_is_lost: false,
            index_is_touched: false,
            value_is_lost: false,
            ties,
            traps: Traps::default(),
            outer_traps: None,
            disciplines_at_work: Vec::new(),
            follows: None,
            folder: Rc::from(&b""[..]),
            entered: Text::new(),
            left: Text::new(),
            named_folders: Rc::default(),
            put_aside: Vec::new(),
            tilde_was_assigned: false,
            disabled_patterns: Disabled::NONE,
            replaced: None,
            array_place: None,
            folders_assigned: false,
            function_files: BTreeMap::new(),
            math: MathFunctions::default(),
            resources: BTreeMap::new(),
            mask: 0o022,
            status: 0,
            doing: Doing::default(),
            start_options: Vec::new(),
            starts_as_utf8: false,
            utf8: false,
            strings_passed_on: Vec::new(),
            hashed: Rc::default(),
            programs_found: 0,
            forgotten: Vec::new(),
            assigned: None,
            jobs: Jobs::default(),
            limits: Limits::default(),
            steps: 0,
            values_read: 0,
            prompts: 0,
            keeps_stages: false,
            assumed_status: false,
            joins_stars: false,
            shell_origin,
            missing: Vec::new(),
            latest_ifs: RefCell::default(),
        };
        state.start_options(has_text);
        state.doing.statuses = state.dialect.first_statuses.to_vec();
        state.aliases = Rc::new(first_aliases(&state.dialect, &mut state.sources));
        let zero = state.shell_text(state.dialect.shell.name().as_bytes());
        state.positional.zero = Rc::new(zero);
        if state.dialect.compound_variables {
            let (rules, origin) = (state.dialect.clone(), state.shell_origin());
            state.variables.nest(inside::Nesting { rules, origin });
        }
        let ifs = state.shell_text(state.dialect.first_ifs);
        state.variables.set(b"IFS", ifs);
        for &(name, value) in state.dialect.first_variables {
            let value = state.shell_text(value.as_bytes());
            state.variables.set(name.as_bytes(), value);
        }
        let index = state.shell_text(b"1");
        if state.dialect.option_errors {
            state.variables.set(b"OPTERR", index.clone());
        }
        state.variables.set(b"OPTIND", index);
        if state.dialect.option_index == OptionIndex::Integer {
            state.variables.entry(b"OPTIND").keeps = Keeps::Integer(Digits::of(10));
        }
        state
    }

    /// Keeps what is not known, once.
    pub(crate) fn keep_missing(&mut self, missing: Missing) {
        if self.missing.len() < MAX_MISSING && !self.missing.contains(&missing) {
            self.missing.push(missing);
        }
    }

    /// A value that the shell makes itself.
    pub fn shell_text(&self, bytes: &[u8]) -> Text {
        Text::copied(bytes, Standing::Quoted, self.shell_origin())
    }

    /// A number that the shell keeps itself.
    pub fn shell_number(&self, number: impl itoa::Integer) -> Text {
        self.shell_text(itoa::Buffer::new().format(number).as_bytes())
    }

    /// The origin of values that the shell makes itself.
    pub fn shell_origin(&self) -> Origin {
        self.shell_origin.clone()
    }

    /// A value given from outside: it becomes a source of its own.
    pub fn given(&mut self, kind: SourceKind, bytes: &[u8]) -> Text {
        let source = self.sources.add(kind, bytes);
        let origin = Origin::new(Rule::Given, Span::new(source, 0, bytes.len()));
        Text::copied(bytes, Standing::Quoted, origin)
    }

    /// Makes the arguments that the shell or the script was called with its parameters.
    pub fn give_arguments(&mut self, arguments: &Rc<[Vec<u8>]>) {
        let given = self.sources.give(arguments);
        self.positional.give(given);
    }

    /// Whether the options leave braces to be expanded.
    pub(crate) fn expands_braces(&self) -> bool {
        let kept = self.options.no_glob && self.dialect.no_glob_keeps_braces;
        !self.options.no_braces && !kept
    }

    /// Gives PATH the value that the shell has for it where nobody else gave it one.
    pub fn start_path(&mut self) {
        let dialect = &self.dialect;
        let (path, is_exported) = (dialect.path_at_start, dialect.exports_path_at_start);
        if path.is_empty() || self.variables.get(b"PATH").is_some() {
            return;
        }
        let text = self.shell_text(path.as_bytes());
        self.variables.set(b"PATH", text);
        self.variables.entry(b"PATH").exported = is_exported;
    }

    /// The folders among which programs are looked for, as PATH has them; nothing where the shell looks
    /// nowhere.
    pub fn search_path(&self) -> Option<Cow<'_, [u8]>> {
        let path = self.written_search_path()?;
        let is_plain = |entry: &[u8]| matches!(entry, [b'/', .., last] if *last != b'/');
        if path.split(|&byte| byte == b':').all(is_plain) {
            return Some(path.into());
        }
        let shape = self.dialect.path_entries;
        let entries = path.split(|&byte| byte == b':').map(|entry| shape.entry(entry));
        Some(entries.collect::<Vec<_>>().join(&b':').into())
    }

    fn written_search_path(&self) -> Option<&[u8]> {
        match self.variables.scalar(b"PATH").map(Text::bytes) {
            None => match self.dialect.search_without_path {
                WithoutPath::Folder => Some(b""),
                WithoutPath::Nowhere => None,
                WithoutPath::Folders(folders) => Some(folders.as_bytes()),
            },
            Some(b"") if !self.dialect.empty_path_is_folder => None,
            path => path,
        }
    }

    /// A mistake in an expansion or assignment: it ends the shell, or in some shells only the line.
    pub fn mistake(&self, message: impl Into<String>, span: Span, status: Status) -> Stop {
        let reach = if self.dialect.mistakes_end_line { Reach::Line } else { Reach::Shell };
        Stop::error(message, span, status, reach)
    }

    /// How patterns are matched now; `folds_case` where an option says that case does not count.
    pub fn pattern_rules(&self, folds_case: bool) -> PatternRules {
        let rules = PatternRules::new(&self.dialect, self.utf8());
        PatternRules {
            variable_classes: self.variable_classes(),
            groups: rules.groups || self.options.extended_glob,
            operators: self.options.pattern_operators,
            disabled: self.disabled_patterns,
            folds_case,
            ..rules
        }
    }

    /// What `[[:IFS:]]`, `[[:IFSSPACE:]]` and `[[:WORD:]]` hold now, where patterns know them.
    fn variable_classes(&self) -> VariableClasses {
        if !self.dialect.classes_of_variables {
            return VariableClasses::NONE;
        }
        let separators = self.variables.separators();
        let known = match own_variable(self.dialect.shell, b"WORDCHARS") {
            Some((Own::Text(known), _)) => known.as_bytes(),
            _ => b"",
        };
        let of_words = self.variables.scalar(b"WORDCHARS").map_or(known, Text::bytes);
        VariableClasses::of(separators.as_deref().unwrap_or(b" \t\n"), of_words)
    }

    /// How patterns of `case`, `${x#p}` and their kin are matched now.
    pub fn text_pattern_rules(&self) -> PatternRules {
        let folds_case = self.options.no_case_match && !self.dialect.case_option_is_for_regular;
        let rules = self.pattern_rules(folds_case);
        let wide = rules.wide_brackets && self.dialect.wide_brackets;
        PatternRules {
            backslash_escapes: self.dialect.value_backslash_escapes_in_text,
            wide_brackets: wide,
            groups_in_values: self.dialect.groups_in_text_values,
            letter_escapes: self.dialect.pattern_letters,
            ..rules
        }
    }

    /// How the patterns of `${x#p}`, `${x/p/r}` and their kin are matched now.
    pub fn operation_pattern_rules(&self) -> PatternRules {
        let quotes_pair = self.dialect.quotes_pair_in_operations;
        PatternRules { quotes_pair, ..self.text_pattern_rules() }
    }

    /// Whether unquoted parameter expansions are split now.
    pub fn splits_parameters(&self) -> bool {
        self.dialect.splits_parameters || self.options.word_split
    }

    /// Whether words are replaced by aliases.
    pub fn aliases_count(&self) -> bool {
        self.dialect.aliases || self.options.expand_aliases
    }

    /// The aliases that count now, if there are any.
    pub fn known_aliases(&self) -> Option<Rc<Aliases>> {
        (self.aliases_count() && !self.aliases.is_empty()).then(|| self.aliases.clone())
    }

    /// Whether text has multi-byte characters now.
    pub fn utf8(&self) -> bool {
        match self.dialect.utf8_option {
            true => self.letter_is_on(b'U'),
            false => self.utf8,
        }
    }
}

/// The aliases that the shell begins with.
fn first_aliases(dialect: &Dialect, sources: &mut Sources) -> Aliases {
    let made = |&(name, text): &(&'static str, &'static str)| {
        (name.as_bytes().into(), Alias::of(text.as_bytes(), AliasCounts::AtCommands, sources))
    };
    dialect.first_aliases.iter().map(made).collect()
}
