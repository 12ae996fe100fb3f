//! The options of zsh 5.9 by their names, in which case and underscores do not count and `no` turns the
//! meaning round.

use std::rc::Rc;

use crate::dialect::Dialect;
use crate::state::set::{EDITORS, bit};
use crate::state::{Options, State};

const ON: bool = true;
const OFF: bool = false;

/// An option that changes words: its field among the options, and when that is set.
struct Flag {
    name: &'static str,
    /// What the option is while the field is set.
    meaning: bool,
    /// The letter that sets the field.
    letter: Option<u8>,
    get: fn(&Options) -> bool,
    set: fn(&mut Options, bool),
}

macro_rules! flag {
    ($name:literal, $meaning:expr, $field:ident, $letter:expr) => {
        Flag {
            name: $name,
            meaning: $meaning,
            letter: $letter,
            get: |options| options.$field,
            set: |options, on| options.$field = on,
        }
    };
}

/// Options that change words.
#[rustfmt::skip]
const FLAGS: &[Flag] = &[
    flag!("allexport", ON, all_export, Some(b'a')),
    flag!("braceccl", ON, brace_letters, None),
    flag!("caseglob", OFF, no_case_glob, None),
    flag!("casematch", OFF, no_case_match, None),
    flag!("clobber", OFF, no_clobber, Some(b'C')),
    flag!("errexit", ON, exit_on_error, Some(b'e')),
    flag!("errreturn", ON, return_on_error, None),
    flag!("exec", OFF, no_exec, Some(b'n')),
    flag!("extendedglob", ON, pattern_operators, None),
    flag!("glob", OFF, no_glob, Some(b'F')),
    flag!("globdots", ON, dot_glob, Some(b'4')),
    flag!("globsubst", ON, glob_substitution, None),
    flag!("ignorebraces", ON, no_braces, Some(b'I')),
    flag!("kshglob", ON, extended_glob, None),
    flag!("localoptions", ON, local_options, None),
    flag!("localtraps", ON, local_traps, None),
    flag!("multios", OFF, last_redirection_counts, None),
    flag!("nomatch", OFF, keep_unmatched, Some(b'3')),
    flag!("nullglob", ON, null_glob, Some(b'G')),
    flag!("pipefail", ON, pipe_fail, None),
    flag!("rcexpandparam", ON, distributes, Some(b'P')),
    flag!("shwordsplit", ON, word_split, Some(b'y')),
    flag!("unset", OFF, no_unset, Some(b'u')),
];

/// Other options that have a letter: what they are when it is on.
#[rustfmt::skip]
const LETTERS: &[(&str, bool, u8)] = &[
    ("autocd", ON, b'J'),
    ("autolist", ON, b'9'),
    ("autopushd", ON, b'N'),
    ("autoresume", ON, b'W'),
    ("badpattern", OFF, b'2'),
    ("banghist", OFF, b'K'),
    ("beep", OFF, b'B'),
    ("bgnice", ON, b'6'),
    ("cdablevars", ON, b'T'),
    ("chaselinks", ON, b'w'),
    ("correct", ON, b'0'),
    ("correctall", ON, b'O'),
    ("globalrcs", OFF, b'd'),
    ("histignoredups", ON, b'h'),
    ("histignorespace", ON, b'g'),
    ("ignoreeof", ON, b'7'),
    ("interactive", ON, b'i'),
    ("interactivecomments", ON, b'k'),
    ("listtypes", ON, b'X'),
    ("login", ON, b'l'),
    ("longlistjobs", ON, b'R'),
    ("mailwarning", ON, b'U'),
    ("markdirs", ON, b'8'),
    ("menucomplete", ON, b'Y'),
    ("monitor", ON, b'm'),
    ("notify", ON, b'5'),
    ("pathdirs", ON, b'Q'),
    ("printexitvalue", ON, b'1'),
    ("privileged", ON, b'p'),
    ("promptcr", OFF, b'V'),
    ("pushdsilent", ON, b'E'),
    ("pushdtohome", ON, b'D'),
    ("rcs", OFF, b'f'),
    ("recexact", ON, b'S'),
    ("restricted", ON, b'r'),
    ("rmstarsilent", ON, b'H'),
    ("shinstdin", ON, b's'),
    ("singlecommand", ON, b't'),
    ("singlelinezle", ON, b'M'),
    ("sunkeyboardhack", ON, b'L'),
    ("verbose", ON, b'v'),
    ("xtrace", ON, b'x'),
    ("zle", ON, b'Z'),
];

/// The letters under `shoptionletters`: what each switches on (zshoptions, "Single Letter Options": sh/ksh emulation set).
#[rustfmt::skip]
const SH_LETTERS: &[(u8, &str)] = &[
    (b'C', "noclobber"),
    (b'T', "trapsasync"),
    (b'X', "markdirs"),
    (b'a', "allexport"),
    (b'b', "notify"),
    (b'e', "errexit"),
    (b'f', "noglob"),
    (b'i', "interactive"),
    (b'l', "login"),
    (b'm', "monitor"),
    (b'n', "noexec"),
    (b'p', "privileged"),
    (b'r', "restricted"),
    (b's', "shinstdin"),
    (b't', "singlecommand"),
    (b'u', "nounset"),
    (b'v', "verbose"),
    (b'x', "xtrace"),
];

/// Options without a letter that are off by default.
const OFF_BY_DEFAULT: &str = "
    aliasfuncdef alwaystoend appendcreate autocontinue autonamedirs bashautolist bashrematch
    bsdecho casepaths cbases cdsilent chasedots clobberempty combiningchars completealiases
    completeinword continueonerror cprecedences cshjunkiehistory cshjunkieloops
    cshjunkiequotes cshnullcmd cshnullglob dvorak emacs extendedhistory forcefloat globassign
    globcomplete globstarshort hashexecutablesonly histallowclobber histexpiredupsfirst
    histfcntllock histfindnodups histignorealldups histlexwords histnofunctions histnostore
    histreduceblanks histsavenodups histsubstpattern histverify ignoreclosebraces
    incappendhistory incappendhistorytime ksharrays kshautoload kshoptionprint kshtypeset
    kshzerosubscript listpacked listrowsfirst localloops localpatterns magicequalsubst
    numericglobsort octalzeroes overstrike pathscript posixaliases posixargzero posixbuiltins
    posixcd posixidentifiers posixjobs posixstrings posixtraps printeightbit promptbang
    promptsubst pushdignoredups pushdminus rcquotes rematchpcre rmstarwait sharehistory
    shfileexpansion shglob shnullcmd shoptionletters shortrepeat sourcetrace transientrprompt
    trapsasync typesetsilent typesettounset vi warncreateglobal warnnestedvar
";

/// Options without a letter that are on by default.
const ON_BY_DEFAULT: &str = "
    aliases alwayslastprompt appendhistory automenu autoparamkeys autoparamslash
    autoremoveslash bareglobqual checkjobs checkrunningjobs debugbeforecmd equals evallineno
    flowcontrol functionargzero globalexport hashcmds hashdirs hashlistall histbeep
    histsavebycopy hup listambiguous listbeep multibyte multifuncdef promptpercent promptsp
    shortloops
";

/// Other names, and what they stand for.
const ALIASES: &[(&str, &str)] = &[
    ("braceexpand", "noignorebraces"),
    ("dotglob", "globdots"),
    ("hashall", "hashcmds"),
    ("histappend", "appendhistory"),
    ("histexpand", "banghist"),
    ("log", "nohistnofunctions"),
    ("mailwarn", "mailwarning"),
    ("onecmd", "singlecommand"),
    ("physical", "chaselinks"),
    ("promptvars", "promptsubst"),
    ("stdin", "shinstdin"),
    ("trackall", "hashcmds"),
];

/// Options that a running shell does not let anybody switch on.
const FIXED: &[&str] = &["interactive", "monitor", "shinstdin", "singlecommand", "zle"];

/// The letters of [`LETTERS`] that are on by default.
const FIRST_LETTERS: &[u8] = b"569X";

/// What is kept like an option of the shells that are emulated.
const EMULATIONS: &[&str] = &["emulate sh", "emulate ksh", "emulate csh"];

/// Where an option is kept.
enum Place {
    Flag(&'static Flag),
    /// As the letter of `set`, and what the option is when that is on.
    Letter(u8, bool),
    /// By its name, and what it is by default.
    Named(&'static str, bool),
}

impl Place {
    fn of(name: &str) -> Option<Place> {
        if let Some(flag) = FLAGS.iter().find(|flag| flag.name == name) {
            return Some(Place::Flag(flag));
        }
        if let Some((_, meaning, letter)) = LETTERS.iter().find(|(known, ..)| *known == name) {
            return Some(Place::Letter(*letter, *meaning));
        }
        let find = |names: &'static str| names.split_ascii_whitespace().find(|one| *one == name);
        let off = find(OFF_BY_DEFAULT).map(|known| Place::Named(known, OFF));
        off.or_else(|| find(ON_BY_DEFAULT).map(|known| Place::Named(known, ON)))
    }

    fn is_on(&self, options: &Options) -> bool {
        match self {
            Place::Flag(flag) => (flag.get)(options) == flag.meaning,
            Place::Letter(letter, meaning) => (options.letters & bit(*letter) != 0) == *meaning,
            Place::Named(name, first) => options.is_toggled(name.as_bytes()) != *first,
        }
    }

    fn is_on_by_default(&self) -> bool {
        match self {
            Place::Flag(flag) => !flag.meaning,
            Place::Letter(letter, meaning) => !meaning || FIRST_LETTERS.contains(letter),
            Place::Named(_, first) => *first,
        }
    }

    fn set(&self, options: &mut Options, on: bool) {
        match self {
            Place::Flag(flag) => (flag.set)(options, on == flag.meaning),
            Place::Letter(letter, meaning) if on == *meaning => options.letters |= bit(*letter),
            Place::Letter(letter, _) => options.letters &= !bit(*letter),
            Place::Named(name, first) => options.toggle(name.as_bytes(), on != *first),
        }
    }
}

/// What an option is called inside, and whether `no` stands before it.
fn normal(name: &[u8]) -> (String, bool) {
    let text: String = String::from_utf8_lossy(name)
        .chars()
        .filter(|&one| one != '_')
        .flat_map(char::to_lowercase)
        .collect();
    let (name, negated) = match text.strip_prefix("no") {
        Some(rest) if Place::of(&text).is_none() => (rest.to_string(), true),
        _ => (text, false),
    };
    match ALIASES.iter().find(|(known, _)| *known == name) {
        Some((_, meant)) => match meant.strip_prefix("no") {
            Some(rest) if Place::of(meant).is_none() => (rest.to_string(), !negated),
            _ => (meant.to_string(), negated),
        },
        None => (name, negated),
    }
}

/// How setting an option by its name went.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(crate) enum ByName {
    Set,
    /// Nobody may change it in a running shell.
    Fixed,
    Unknown,
}

impl Options {
    /// Sets an option of zsh by its name.
    pub(crate) fn set_by_name(&mut self, name: &[u8], on: bool) -> ByName {
        let (name, negated) = normal(name);
        let Some(place) = Place::of(&name) else { return ByName::Unknown };
        let on = on != negated;
        if FIXED.contains(&&*name) && on != place.is_on(self) {
            return ByName::Fixed;
        }
        if on && EDITORS.contains(&&*name) {
            EDITORS.iter().for_each(|editor| self.toggle(editor.as_bytes(), false));
        }
        place.set(self, on);
        ByName::Set
    }

    /// Whether an option of zsh is on; `None` if there is none of this name.
    pub(crate) fn is_on_by_name(&self, name: &[u8]) -> Option<bool> {
        let (name, negated) = normal(name);
        Some(Place::of(&name)?.is_on(self) != negated)
    }

    /// Sets the field that a letter of zsh's `set` stands for; false if it stands for none.
    pub(super) fn set_flag_by_letter(&mut self, letter: u8, on: bool) -> bool {
        let flag = FLAGS.iter().find(|flag| flag.letter == Some(letter));
        flag.inspect(|flag| (flag.set)(self, on)).is_some()
    }

    /// The field that a letter of zsh's `set` stands for.
    pub(super) fn flag_by_letter(&self, letter: u8) -> Option<bool> {
        let flag = FLAGS.iter().find(|flag| flag.letter == Some(letter))?;
        Some((flag.get)(self))
    }

    /// All options of zsh in the order of their names, each as zsh tells it: with `no` before it if it is
    /// on by default, and whether it is as it is told.
    pub(crate) fn all_by_name(&self) -> Vec<(String, bool)> {
        let told = |name: &str| {
            let place = Place::of(name)?;
            let (first, on) = (place.is_on_by_default(), place.is_on(self));
            Some((format!("{}{name}", if first { "no" } else { "" }), on != first))
        };
        self.names().into_iter().filter_map(told).collect()
    }

    /// The names of all options of zsh, sorted.
    pub(crate) fn names(&self) -> Vec<&'static str> {
        let flags = FLAGS.iter().map(|flag| flag.name);
        let letters = LETTERS.iter().map(|(name, ..)| *name);
        let named = OFF_BY_DEFAULT.split_ascii_whitespace();
        let named = named.chain(ON_BY_DEFAULT.split_ascii_whitespace());
        let mut names: Vec<&str> = flags.chain(letters).chain(named).collect();
        names.sort_unstable();
        names
    }
}

/// Whether the option of a letter changes rows of the table.
pub(super) fn letter_switches_rows(letter: u8) -> bool {
    let flags = FLAGS.iter().filter(|flag| flag.letter == Some(letter)).map(|flag| flag.name);
    let letters = LETTERS.iter().filter(|(_, _, known)| *known == letter).map(|(name, ..)| *name);
    flags.chain(letters).any(Dialect::switches_rows)
}

/// Whether a letter is that of an option which a running shell does not let anybody switch on.
pub(super) fn is_fixed(letter: u8) -> bool {
    LETTERS.iter().any(|(name, _, known)| *known == letter && FIXED.contains(name))
}

impl State {
    /// Whether the letters of options are those of sh.
    pub(super) fn has_sh_letters(&self) -> bool {
        self.dialect.named_options && self.options.is_toggled(b"shoptionletters")
    }

    /// `set -f` and its kin, with the letters that count now; false where the shell knows no such option.
    pub(crate) fn set_given_letter(&mut self, letter: u8, on: bool) -> bool {
        if !self.has_sh_letters() {
            return self.set_letter(letter, on);
        }
        match SH_LETTERS.iter().find(|(known, _)| *known == letter) {
            Some((_, name)) => self.set_by_name(name.as_bytes(), on) == ByName::Set,
            None => false,
        }
    }

    /// The letters of sh whose options are on.
    pub(super) fn sh_letters(&self) -> Vec<u8> {
        let is_on = |name: &str| self.options.is_on_by_name(name.as_bytes()) == Some(true);
        SH_LETTERS.iter().filter(|(_, name)| is_on(name)).map(|(letter, _)| *letter).collect()
    }

    /// Sets an option of zsh by its name, and the rows of the table that go with it.
    pub(crate) fn set_by_name(&mut self, name: &[u8], on: bool) -> ByName {
        let before = self.options.is_on_by_name(name);
        let outcome = self.options.set_by_name(name, on);
        let changed = self.options.is_on_by_name(name) != before;
        if changed && Dialect::switches_rows(&normal(name).0) {
            self.rows_follow_options();
        }
        outcome
    }

    /// Gives options the values that a shell has them at, and notes the shell for what no option says.
    pub(crate) fn emulate(
        &mut self,
        shell: &str,
        values: impl Iterator<Item = (&'static str, bool)>,
    ) {
        let mut changed = self.emulated() != shell;
        for known in EMULATIONS {
            self.options.toggle(known.as_bytes(), known.strip_prefix("emulate ") == Some(shell));
        }
        for (option, on) in values {
            if let Some(place) = Place::of(option)
                && place.is_on(&self.options) != on
            {
                place.set(&mut self.options, on);
                changed = true;
            }
        }
        if changed {
            self.rows_follow_options();
        }
    }

    /// The shell that is emulated.
    pub(crate) fn emulated(&self) -> &'static str {
        let on = |known: &&&str| self.options.is_toggled(known.as_bytes());
        EMULATIONS.iter().find(on).map_or("zsh", |known| &known["emulate ".len()..])
    }

    /// Puts options back as they were.
    pub(crate) fn put_options(&mut self, options: Options) {
        let rows = |options: &Options| (options.letters, options.no_braces);
        let differs = self.options.named != options.named || rows(&self.options) != rows(&options);
        self.options = options;
        if self.dialect.named_options && differs {
            self.rows_follow_options();
        }
    }

    /// Brings the rows of the table up to date that options change.
    pub(super) fn rows_follow_options(&mut self) {
        let differs = |option: &str| {
            Place::of(option).map_or(self.options.is_toggled(option.as_bytes()), |place| {
                place.is_on(&self.options) != place.is_on_by_default()
            })
        };
        self.dialect = Rc::new(Dialect::switched(self.dialect.shell, differs));
    }
}
