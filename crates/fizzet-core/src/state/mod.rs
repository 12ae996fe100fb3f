//! What a shell remembers between commands: variables, positional parameters, options.

mod associative;
mod base;
mod options;
mod own;
mod parameters;
mod set;
mod stretch;
mod ties;
mod variables;
mod zsh_options;

use rustc_hash::FxHashMap;
use std::cell::RefCell;
use std::rc::Rc;

use bstr::ByteSlice;

pub use associative::Associative;
pub use options::Options;
pub use own::{Call, Doing};
pub use parameters::Positional;
pub use stretch::Stretch;
pub use ties::Tie;
pub use variables::{Digits, Keeps, Key, Value, Variable, Variables};
pub(crate) use zsh_options::{ByName, changing_option};

pub use crate::dialect::Padding;

use crate::dialect::{Dialect, ListAttributes, OptionIndex, PosixMode, References, WithoutPath};
use crate::expand::Ifs;
use crate::expand::pattern::PatternRules;
use crate::lineage::{Origin, Rule};
use crate::real::{Format, Real};
use crate::source::{SourceKind, Sources, Span};
use crate::stop::{Limits, Reach, Status, Stop};
use crate::syntax::ast::Command;
use crate::syntax::{Alias, Aliases, unmarked};
use crate::text::{Standing, Text};

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

/// How programs are followed into the kernel.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Follows {
    /// The stack limit in bytes that their vectors are held against.
    pub stack: u64,
    /// Whether the way leads on through `env` and `nohup`.
    pub through: bool,
}

/// The state of one shell.
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
    /// What OPTIND has been set to since `getopts` last looked.
    pub assigned_option_index: Option<Text>,
    /// Lists and texts that say the same.
    pub ties: Rc<Vec<Tie>>,
    /// Actions of `trap` by condition.
    pub traps: Traps,
    /// How programs are followed into the kernel, if they are.
    pub follows: Option<Follows>,
    /// Those of the shell around a subshell, as long as it may still tell them.
    pub outer_traps: Option<Rc<Traps>>,
    /// The folder that `cd` has gone to, as reached from where the trace began.
    pub folder: Rc<[u8]>,
    /// The folder that the shell is in, as it knows it itself.
    pub entered: Text,
    /// The folder that it was in before.
    pub left: Text,
    /// Folders that `pushd` has put aside, latest first.
    pub put_aside: Vec<Text>,
    /// `umask`
    pub mask: u32,
    /// `$?`
    pub status: Status,
    /// What the variables tell that the shell keeps itself.
    pub doing: Doing,
    /// Options that are on at the start, by the names that `set -o` knows.
    pub start_options: Vec<String>,
    /// What the environment holds under names that no variable can have.
    pub strings_passed_on: Vec<(Vec<u8>, Vec<u8>)>,
    /// What the background commands have ended with, in the order of their starts.
    pub jobs: Vec<Status>,
    /// When it gives up.
    pub limits: Limits,
    /// Steps taken.
    pub steps: u64,
    /// Whether what each stage of an expansion makes is kept.
    pub keeps_stages: bool,
    /// Whether an external command's status had to be assumed.
    pub assumed_status: bool,
    /// Whether an unquoted `$*` is joined, since it stands in a word that is not split.
    pub joins_stars: bool,
    shell_origin: Origin,
    /// IFS as it was last taken apart.
    pub(crate) latest_ifs: RefCell<Option<Rc<Ifs>>>,
}

impl State {
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
            aliases: Rc::default(),
            assigned_option_index: None,
            ties,
            traps: Traps::default(),
            outer_traps: None,
            follows: None,
            folder: Rc::from(&b""[..]),
            entered: Text::new(),
            left: Text::new(),
            put_aside: Vec::new(),
            mask: 0o022,
            status: 0,
            doing: Doing::default(),
            start_options: Vec::new(),
            strings_passed_on: Vec::new(),
            jobs: Vec::new(),
            limits: Limits::default(),
            steps: 0,
            keeps_stages: false,
            assumed_status: false,
            joins_stars: false,
            shell_origin,
            latest_ifs: RefCell::default(),
        };
        state.start_options(has_text);
        state.doing.statuses = state.dialect.first_statuses.to_vec();
        state.aliases = Rc::new(first_aliases(&state.dialect, &mut state.sources));
        let zero = state.shell_text(state.dialect.shell.name().as_bytes());
        state.positional.zero = Rc::new(zero);
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

    /// The key that the text of an index stands for.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_key(&mut self, name: &[u8], index: &[u8], span: Span) -> Result<Key, Stop> {
        // In shells without these marks a NUL is a character of the key.
        let plain = match self.dialect.indexes_hide_brackets {
            true => unmarked(index),
            false => index.into(),
        };
        let index = &*plain;
        let associative =
            self.variables.get(name).is_some_and(|one| matches!(one.value, Value::Associative(_)));
        if associative {
            let origin = Origin::new(Rule::Literal, span);
            let quoted = matches!(index, [b'\'', .., b'\''] if index.len() > 1);
            let key = match quoted && self.dialect.arithmetic_keys_drop_quotes {
                true => &index[1..index.len() - 1],
                false => index,
            };
            return Ok(Key::Text(Text::from_bytes(key, Standing::Quoted, origin)));
        }
        let vanish = self.dialect.index_text_quotes.as_bytes();
        let kept: Vec<u8> = index.iter().copied().filter(|byte| !vanish.contains(byte)).collect();
        let number = crate::expand::arithmetic::text_value(self, &kept, span);
        Ok(Key::Number(self.index(number.map_err(Stop::in_index)?)))
    }

    /// The index that a number means: where none counts from the end, one below 0 is a very large one.
    pub fn index(&self, number: i64) -> i64 {
        match number < 0 && !self.dialect.negative_indexes {
            true => i64::from(number as u32),
            false => number,
        }
    }

    /// # Errors
    /// The variable is read-only.
    pub fn check_writable(&mut self, name: &[u8], span: Span) -> Result<(), Stop> {
        if !self.variables.get(name).is_some_and(|variable| variable.read_only) {
            return Ok(());
        }
        Err(self.read_only(name, span))
    }

    fn read_only(&self, name: &[u8], span: Span) -> Stop {
        let message = format!("{} is read-only", String::from_utf8_lossy(name));
        let mut stop = self.mistake(message, span, self.dialect.read_only_status);
        if let Stop::Shell(error) = &mut stop {
            error.is_read_only = true;
        }
        stop
    }

    /// Assigns a variable or an element, which keeps of the value what its attributes say.
    ///
    /// # Errors
    /// A variable that may not change; an index before the start of the array.
    pub fn store(
        &mut self,
        name: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        if let Some(meant) = self.variables.meant(name) {
            return self.store_meant(&meant, key, text, span);
        }
        if self.variables.goes_round(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        if let Some(number) = self.parameter_number(name) {
            return self.store_parameter(number, text, span);
        }
        if name == own::POSIX_MODE && self.dialect.posix_mode == PosixMode::Rules {
            self.follow_posix(true);
        }
        let known = self.variables.get(name);
        let in_array = key.is_some()
            && known
                .is_some_and(|one| matches!(one.value, Value::Indexed(_) | Value::Associative(_)));
        let (is_plain, read_only) = known.map_or((false, false), |one| (!one.own, one.read_only));
        let keeps = known.map_or(Keeps::Text, |variable| variable.keeps);
        let had_real = known.is_some_and(|variable| variable.real.is_some());
        let had_given = known.is_some_and(|variable| variable.given.is_some());
        if !is_plain && self.keeps_itself(name, span)? {
            return Ok(());
        }
        if read_only {
            return Err(self.read_only(name, span));
        }
        if name == b"OPTIND" && self.dialect.option_index == OptionIndex::Digits {
            let digits = text.bytes().trim_ascii();
            if digits.is_empty() || !digits.iter().all(u8::is_ascii_digit) {
                return Err(self.mistake("OPTIND takes a number", span, 2));
            }
        }
        let keeps = match keeps {
            _ if in_array && self.dialect.list_attributes == ListAttributes::None => Keeps::Text,
            Keeps::Integer(Digits { base: 0, .. }) => self.takes_base(name, text.bytes()),
            keeps => keeps,
        };
        if keeps == Keeps::Name
            && self.dialect.references == References::Loose
            && !crate::syntax::is_name(text.bytes())
            && element_name(text.bytes()).is_none()
        {
            return Err(self.mistake("this is no name that it can stand for", span, 1));
        }
        let given = (key.is_none() && self.dialect.attributes_are_looks && keeps.is_a_look())
            .then(|| Box::new(text.clone()));
        let mut real = None;
        let text = self.kept(keeps, text, &mut real, span)?;
        let counts_from_one = self.dialect.first_index == 1;
        match key {
            None => {
                if self.dialect.array_is_list && self.variables.is_array(name) {
                    self.variables.clear(name);
                }
                self.variables.set(name, text);
                let real = real.filter(|_| self.dialect.real_variables_keep_digits);
                if real.is_some() || had_real {
                    self.variables.entry(name).real = real;
                }
                if given.is_some() || had_given {
                    self.variables.entry(name).given = given;
                }
            }
            Some(Key::Number(number)) if counts_from_one => {
                self.replace(name, Stretch::One(number), vec![text], span)?;
            }
            Some(Key::Number(number)) => {
                let of_text = number < 0
                    && self.dialect.early_index_is_mistake
                    && !self.variables.is_array(name);
                let Some(number) = self.variables.index(name, number).filter(|_| !of_text) else {
                    let message = "the index lies before the start of the array";
                    return Err(self.mistake(message, span, 1));
                };
                self.variables.set_element(name, Key::Number(number), text);
            }
            Some(key) => self.variables.set_element(name, key, text),
        }
        self.follow_tie(name);
        if name == b"OPTIND" {
            self.assigned_option_index = self.variables.scalar(name).cloned();
        }
        if self.options.all_export {
            self.variables.entry(name).exported = true;
        }
        Ok(())
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
    pub fn search_path(&self) -> Option<&[u8]> {
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

    /// The number of the positional parameter that this name of a variable means.
    pub fn parameter_number(&self, name: &[u8]) -> Option<usize> {
        let numbered = name.first().is_some_and(u8::is_ascii_digit);
        if !numbered || !self.dialect.parameters_are_variables {
            return None;
        }
        std::str::from_utf8(name).ok()?.parse().ok()
    }

    fn store_parameter(&mut self, number: usize, text: Text, span: Span) -> Result<(), Stop> {
        if number > self.limits.fields {
            return Err(self.mistake("the number of the parameter is too large", span, 1));
        }
        let empty = self.shell_text(b"");
        match number {
            0 => self.positional.zero = Rc::new(text),
            number => self.positional.put(number, text, &empty),
        }
        Ok(())
    }

    /// Stores where a variable that holds a name points to: a variable or an element.
    fn store_meant(
        &mut self,
        meant: &[u8],
        key: Option<Key>,
        text: Text,
        span: Span,
    ) -> Result<(), Stop> {
        let Some((name, index)) = element_name(meant) else {
            return self.store(meant, key, text, span);
        };
        if self.variables.is_name(name) {
            return Err(self.mistake("the name leads back to itself", span, 1));
        }
        let key = self.element_key(name, index, span)?;
        self.store(name, Some(key), text, span)
    }

    /// What a variable keeps of a value; `real` becomes the number where that is a real.
    fn kept(
        &mut self,
        keeps: Keeps,
        text: Text,
        real: &mut Option<Real>,
        span: Span,
    ) -> Result<Text, Stop> {
        let changed = match keeps {
            Keeps::Text | Keeps::Name => return Ok(text),
            Keeps::Field(padding, width) => padding.fill(text.bytes(), width),
            Keeps::Upper => text.bytes().to_str_lossy().to_uppercase().into_bytes(),
            Keeps::Capital => {
                let small = text.bytes().to_str_lossy().to_lowercase();
                let mut rest = small.chars();
                let first = rest.next().into_iter().flat_map(char::to_uppercase);
                first.chain(rest).collect::<String>().into_bytes()
            }
            Keeps::Lower => text.bytes().to_str_lossy().to_lowercase().into_bytes(),
            Keeps::Real { letter, digits, long } => {
                let value = crate::expand::arithmetic::text_real(self, text.bytes(), span)?;
                let value = if long { value } else { value.by(|double| double) };
                *real = Some(value);
                let sign = if value.is_negative() { "-" } else { "" };
                let halves_up = self.dialect.halves_up;
                let format = Format { letter, precision: digits, keeps_zeros: false, halves_up };
                format!("{sign}{}", value.absolute().shown(format)).into_bytes()
            }
            Keeps::Integer(digits) => {
                let capitals = self.dialect.capital_digits || digits.capitals;
                let value = crate::expand::arithmetic::text_value(self, text.bytes(), span);
                let value = value.map_err(Stop::in_index)?;
                let value = match digits.unsigned && self.dialect.arithmetic_bits == 32 {
                    true => i64::from(value as u32),
                    false => value,
                };
                let shown = in_base(value, digits.base);
                if capitals { shown.to_ascii_uppercase() } else { shown }
            }
        };
        let origin = text.runs().next().map(|(run, _)| run.origin.clone());
        let origin = origin.unwrap_or_else(|| Origin::new(Rule::Stored, span));
        Ok(Text::from_bytes(changed, Standing::Quoted, origin))
    }

    /// Gives an integer variable without a base that of a number which is assigned to it.
    fn takes_base(&mut self, name: &[u8], text: &[u8]) -> Keeps {
        let taken = base::of_expression(text, self.dialect.integers_take_base);
        let known = self.variables.get(name).map(|variable| variable.keeps);
        let Some(Keeps::Integer(digits)) = known else { return Keeps::Integer(Digits::default()) };
        let keeps = Keeps::Integer(Digits { base: taken.unwrap_or(0), ..digits });
        self.variables.entry(name).keeps = keeps;
        keeps
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
            groups: rules.groups || self.options.extended_glob,
            operators: self.options.pattern_operators,
            folds_case,
            ..rules
        }
    }

    /// How patterns of `case`, `${x#p}` and their kin are matched now.
    pub fn text_pattern_rules(&self) -> PatternRules {
        let rules = self.pattern_rules(self.options.no_case_match);
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

    /// The array and the key of the element that a name of a variable means, if it means one.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn element_meant(&mut self, name: &[u8], span: Span) -> Result<Option<ElementOf>, Stop> {
        let Some(meant) = self.variables.meant(name) else { return Ok(None) };
        let Some((array, index)) = element_name(&meant) else { return Ok(None) };
        let key = self.element_key(array, index, span)?;
        Ok(Some((array.into(), key)))
    }

    /// The name and the index of `name[index]`, if a utility takes that for an element: where the first
    /// bracket that closes ends the index, it has to be the last.
    pub fn element_named<'a>(&self, written: &'a [u8]) -> Option<(&'a [u8], &'a [u8])> {
        element_name(written)
            .filter(|(_, index)| !self.dialect.index_ends_at_bracket || is_one_index(index))
    }

    /// Whether unquoted parameter expansions are split now.
    pub fn splits_parameters(&self) -> bool {
        self.dialect.splits_parameters || self.options.word_split
    }

    /// Whether the locale of the variables has multi-byte characters.
    ///
    /// The first of LC_ALL, LC_CTYPE and LANG that is set and not empty decides (POSIX XBD 8.2).
    pub fn utf8(&self) -> bool {
        let name = [&b"LC_ALL"[..], b"LC_CTYPE", b"LANG"]
            .into_iter()
            .filter_map(|name| self.variables.scalar(name))
            .find(|value| !value.is_empty());
        name.is_some_and(|value| {
            let name = value.bytes().to_ascii_lowercase();
            name.ends_with(b".utf-8") || name.ends_with(b".utf8")
        })
    }
}

/// The name and the index of `name[index]`.
pub fn element_name(written: &[u8]) -> Option<(&[u8], &[u8])> {
    let open = written.iter().position(|&byte| byte == b'[')?;
    let index = written[open + 1..].strip_suffix(b"]")?;
    crate::syntax::is_name(&written[..open]).then_some((&written[..open], index))
}

/// Whether the brackets in the text of an index are in pairs, so that the last one ends it.
pub fn is_one_index(index: &[u8]) -> bool {
    let mut open = 0i32;
    let pairs = index.iter().all(|byte| {
        open += i32::from(*byte == b'[') - i32::from(*byte == b']');
        open >= 0
    });
    pairs && open == 0
}

/// The aliases that the shell begins with.
fn first_aliases(dialect: &Dialect, sources: &mut Sources) -> Aliases {
    let made = |&(name, text): &(&'static str, &'static str)| {
        let source = sources.built("alias", text.as_bytes());
        (name.as_bytes().into(), Alias { text: text.as_bytes().into(), source, everywhere: false })
    };
    dialect.first_aliases.iter().map(made).collect()
}

/// A number as `typeset -i` shows it: `base#digits`, plain in base 10.
fn in_base(value: i64, base: u32) -> Vec<u8> {
    if matches!(base, 0 | 10) {
        return value.to_string().into_bytes();
    }
    if base == 1 {
        let character = u32::try_from(value).ok().and_then(char::from_u32);
        return character.map_or_else(|| in_base(value, 16), |one| format!("1#{one}").into_bytes());
    }
    let (mut rest, mut digits) = (value.unsigned_abs(), Vec::new());
    loop {
        let digit = (rest % u64::from(base)) as u8;
        digits.push(
            b"0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ@_"[usize::from(digit)],
        );
        rest /= u64::from(base);
        if rest == 0 {
            break;
        }
    }
    digits.reverse();
    let sign = if value < 0 { "-" } else { "" };
    [format!("{sign}{base}#").into_bytes(), digits].concat()
}
