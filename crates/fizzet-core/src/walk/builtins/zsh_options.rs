//! `setopt`, `unsetopt` and `emulate` (zsh 5.9): options by name, in which case and underscores do
//! not count and `no` turns the meaning round.

use crate::expand::Context;
use crate::state::Options;
use crate::stop::{Status, Stop};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::eval;

/// How an option is set.
type Setter = fn(&mut Options, bool);

/// Options that change words: the name, and how it is set.
const OPTIONS: &[(&str, Setter)] = &[
    ("allexport", |options, on| options.all_export = on),
    ("braceccl", |options, on| options.brace_letters = on),
    ("clobber", |options, on| options.no_clobber = !on),
    ("caseglob", |options, on| options.no_case_glob = !on),
    ("casematch", |options, on| options.no_case_match = !on),
    ("errexit", |options, on| options.exit_on_error = on),
    ("errreturn", |options, on| options.return_on_error = on),
    ("exec", |options, on| options.no_exec = !on),
    ("multios", |options, on| options.last_redirection_counts = !on),
    ("extendedglob", |options, on| options.pattern_operators = on),
    ("glob", |options, on| options.no_glob = !on),
    ("globdots", |options, on| options.dot_glob = on),
    ("dotglob", |options, on| options.dot_glob = on),
    ("globsubst", |options, on| options.glob_substitution = on),
    ("localoptions", |options, on| options.local_options = on),
    ("localtraps", |options, on| options.local_traps = on),
    ("ignorebraces", |options, on| options.no_braces = on),
    ("braceexpand", |options, on| options.no_braces = !on),
    ("kshglob", |options, on| options.extended_glob = on),
    ("nomatch", |options, on| options.keep_unmatched = !on),
    ("nullglob", |options, on| options.null_glob = on),
    ("pipefail", |options, on| options.pipe_fail = on),
    ("rcexpandparam", |options, on| options.distributes = on),
    ("shwordsplit", |options, on| options.word_split = on),
    ("unset", |options, on| options.no_unset = !on),
];

/// Options that change no word; `no` before a name is left out.
const OTHERS: &str = "
    aliases aliasfuncdef alwayslastprompt alwaystoend appendcreate appendhistory autocd
    autocontinue autolist automenu autonamedirs autoparamkeys autoparamslash autopushd
    autoremoveslash autoresume badpattern banghist bareglobqual bashautolist bashrematch beep
    bgnice bsdecho casepaths cbases cdablevars cdsilent chasedots chaselinks checkjobs
    checkrunningjobs clobberempty combiningchars completealiases completeinword
    continueonerror correct correctall cprecedences cshjunkiehistory cshjunkieloops
    cshjunkiequotes cshnullcmd cshnullglob debugbeforecmd dvorak emacs equals
    evallineno extendedhistory flowcontrol forcefloat functionargzero globalexport globalrcs
    globassign globcomplete globstarshort hashcmds hashdirs hashexecutablesonly hashlistall
    histallowclobber histbeep histexpiredupsfirst histfcntllock histfindnodups
    histignorealldups histignoredups histignorespace histlexwords histnofunctions histnostore
    histreduceblanks histsavebycopy histsavenodups histsubstpattern histverify hup
    ignoreclosebraces ignoreeof incappendhistory incappendhistorytime interactive
    interactivecomments ksharrays kshautoload kshoptionprint kshtypeset kshzerosubscript
    listambiguous listbeep listpacked listrowsfirst listtypes localloops localpatterns
    login longlistjobs magicequalsubst mailwarning markdirs
    menucomplete monitor multibyte multifuncdef notify numericglobsort octalzeroes
    overstrike pathdirs pathscript posixaliases posixargzero posixbuiltins posixcd
    posixidentifiers posixjobs posixstrings posixtraps printeightbit printexitvalue privileged
    promptbang promptcr promptpercent promptsp promptsubst pushdignoredups pushdminus
    pushdsilent pushdtohome rcquotes rcs recexact rematchpcre restricted rmstarsilent
    rmstarwait sharehistory shfileexpansion shglob shinstdin shnullcmd shoptionletters
    shortloops shortrepeat singlecommand singlelinezle sourcetrace sunkeyboardhack
    transientrprompt trapsasync typesetsilent typesettounset verbose vi warncreateglobal
    warnnestedvar xtrace zle
";

/// Those of the others that do change words, in ways that are not followed.
const CHANGING: &str = "
    bareglobqual cbases cshjunkiequotes cshnullcmd cshnullglob equals globassign globstarshort
    histsubstpattern ksharrays kshtypeset kshzerosubscript magicequalsubst
    markdirs numericglobsort octalzeroes posixidentifiers posixstrings rcquotes shfileexpansion shglob
    shnullcmd
";

/// What an option is called inside, and whether `no` stands before it.
fn normal(name: &[u8]) -> (String, bool) {
    let text: String = String::from_utf8_lossy(name)
        .chars()
        .filter(|&one| one != '_')
        .flat_map(char::to_lowercase)
        .collect();
    let known = |text: &str| OPTIONS.iter().any(|(name, _)| *name == text);
    match text.strip_prefix("no") {
        Some(rest) if !known(&text) => (rest.to_string(), true),
        _ => (text, false),
    }
}

impl Options {
    /// Sets an option of zsh by its name; false if there is none of that name.
    pub(crate) fn set_by_name(&mut self, name: &[u8], on: bool) -> bool {
        let (name, negated) = normal(name);
        match OPTIONS.iter().find(|(known, _)| *known == name) {
            Some((_, set)) => set(self, on != negated),
            None => return OTHERS.split_ascii_whitespace().any(|other| other == name),
        }
        true
    }
}

/// `setopt name...`, `unsetopt name...`
pub(super) fn set_options(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let on = call.bytes(0) == Some(b"setopt");
    let mut status = 0;
    for name in call.given("", true).operands {
        status |= Status::from(!walker.state.options.set_by_name(name.bytes(), on));
        let (option, _) = normal(name.bytes());
        if !OPTIONS.iter().any(|(known, _)| *known == option)
            && CHANGING.split_ascii_whitespace().any(|one| one == option)
        {
            walker.missing(&format!("what the option {option} changes"), call.span);
        }
    }
    Ok(status)
}

/// What `emulate zsh`, `emulate sh` and `emulate ksh` set the options to that they set at all.
const EMULATED: &[(&str, [bool; 3])] = &[
    ("allexport", [false, false, false]),
    ("braceccl", [false, false, false]),
    ("clobber", [true, true, true]),
    ("errexit", [false, false, false]),
    ("errreturn", [false, false, false]),
    ("extendedglob", [false, false, false]),
    ("glob", [true, true, true]),
    ("globdots", [false, false, false]),
    ("globsubst", [false, true, true]),
    ("ignorebraces", [false, true, false]),
    ("kshglob", [false, false, true]),
    ("localoptions", [false, false, true]),
    ("localtraps", [false, false, true]),
    ("multios", [true, false, false]),
    ("nomatch", [true, false, false]),
    ("nullglob", [false, false, false]),
    ("pipefail", [false, false, false]),
    ("rcexpandparam", [false, false, false]),
    ("shwordsplit", [false, true, true]),
    ("unset", [true, true, true]),
];

/// What `emulate -R` sets besides.
const EMULATED_WHOLE: &[&str] = &["caseglob", "casematch"];

/// `emulate [-LR] [shell [-c text]]`: the options become those of a shell; with `-c`, for a text only.
pub(super) fn emulate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("LR", false);
    let Some(shell) = given.operands.first() else {
        let name = walker.state.shell_text(b"zsh");
        walker.print_line(name, call);
        return Ok(0);
    };
    let column = match shell.bytes() {
        b"sh" => 1,
        b"ksh" => 2,
        _ => 0,
    };
    let text = match given.operands.get(1..) {
        Some([option, text, ..]) if option.bytes() == b"-c" => Some(text),
        _ => None,
    };
    let before = text.map(|_| walker.state.options.clone());
    for (name, values) in EMULATED {
        walker.state.options.set_by_name(name.as_bytes(), values[column]);
    }
    if given.has(b'R') {
        for name in EMULATED_WHOLE {
            walker.state.options.set_by_name(name.as_bytes(), true);
        }
    }
    if given.has(b'L') {
        walker.state.options.local_options = true;
        walker.state.options.local_traps = true;
    }
    let Some(text) = text else { return Ok(0) };
    let words = [shell.clone(), text.clone()];
    let outcome = eval(walker, &Call { argv: &words, ..*call });
    if let Some(before) = before {
        walker.state.options = before;
    }
    outcome
}
