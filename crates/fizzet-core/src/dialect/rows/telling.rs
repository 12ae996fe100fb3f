//! The rows of the table about options, and about what utilities tell of options, variables and functions.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! telling_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// How the definition of a function is printed.
    defines: Defines = [Defines::Never, Defines::Braces, Defines::Never, Defines::Never, Defines::Written, Defines::Escapes, Defines::Tabs], "observed in all six: f() { echo a; echo b & }; typeset -f f";
    /// What `command -v` and `-V` do with more than one name.
    command_tells: TellsNames = [TellsNames::All, TellsNames::Any, TellsNames::First, TellsNames::First, TellsNames::All, TellsNames::Stops, TellsNames::All], "observed in all six: command -v echo nosuch; echo $?; command -v nosuch echo; echo $?";
    /// The status of `type` without a name.
    type_nothing_status: Status = [0, 0, 0, 0, 2, 0, 1], "observed in all six: type; echo $?";
    /// The status of `type` with an option that it does not know.
    type_usage_status: Status = [1, 2, 127, 127, 2, 1, 1], "observed in all six: type -y :; echo $?";
    /// `type` with any option, and with `--`, tells as `command -v` does.
    type_options_shorten: bool = [N, N, N, Y, N, N, N], "observed in all six: type -y echo";
    /// `which`, `where` and `whence -f` tell the definitions of functions.
    whence_defines: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: f() { :; }; whence -f f; which f";
    /// `typeset -m` and `+m` tell the variables whose names match patterns.
    typeset_tells_matches: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: ab=1; typeset -m 'a*'";
    /// `typeset name` tells the value of a variable that is there already.
    typeset_tells_known: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: x=1; typeset x; f() { local y=2; local y; }; f";
    /// What stands before and behind the name of a function in a list of all functions.
    listed_functions: (&'static str, &'static str) = [("", ""), ("declare -f ", ""), ("", ""), ("", ""), ("", "()"), ("", ""), ("", "")], "observed in bash, ksh93, mksh and zsh: f() { :; }; declare -F; typeset +f";
    /// `type` and `command -V` also print the definition of a function.
    type_defines_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; type f";
    /// The option letters of `type`.
    type_letters: &'static str = ["", "aftpP", "", "tpa", "afpPqt", "p", "afmpsSwW"], "observed in all six: type -t :";
    /// An option that `type` does not know is a mistake rather than a name.
    type_has_options: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: type -t :";
    /// `set -` switches `-v` and `-x` off.
    set_dash_ends_tracing: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: set -vx; set -; echo $-";
    /// Option letters of `set` besides those that change words.
    set_letters: &'static str = ["bCmhvx", "EHPTCbhkmptvx", "CEIVbmpvxis", "CEIbmvx", "CHbhkmptvxsG", "CUbhkmpvxsX", "0123456789BDEGHIJKLMNOPQRSTUVWXYZdfghiklmprstvwxy"], "observed in all six with each letter";
    /// `set -A name values` fills an array.
    set_fills_arrays: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -A x a b; echo ${x[1]}";
    /// `set -A name` without values takes the variable away.
    set_array_unsets: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: set -A x; echo ${x-unset}; typeset -p x";
    /// The status of `whence` with an option that it does not know.
    whence_usage_status: Status = [1, 1, 1, 1, 2, 1, 1], "observed in ksh93, mksh and zsh: whence -Q x; echo $?";
    /// What `-` and `+` mean behind the sign of a word.
    set_letters_behind: LettersBehind = [LettersBehind::Letters, LettersBehind::Letters, LettersBehind::Letters, LettersBehind::Letters, LettersBehind::Names, LettersBehind::Letters, LettersBehind::End], "observed in all six: set --noglob; set -f- a; set -f+ a; echo $- $*";
    /// Which texts end behind their first line of commands under `set -t`.
    one_command: OneCommand = [OneCommand::Never, OneCommand::Scripts, OneCommand::Never, OneCommand::Never, OneCommand::All, OneCommand::Never, OneCommand::Never], "observed in all six, as a script and behind -c: set -t; echo a<newline>echo b";
    /// What `set +` does.
    set_lone_plus: LonePlus = [LonePlus::Passed, LonePlus::Passed, LonePlus::Passed, LonePlus::Passed, LonePlus::Ends, LonePlus::Ends, LonePlus::Clears], "observed in all six: set a b; set + -f; echo $*; set +; echo $*";
    /// A mistake in the options of `set` undoes those before it.
    set_mistakes_undo: bool = [N, N, N, N, Y, N, N], "observed in all six: command set -f -Z; echo $-";
    /// `set` carries out the options behind one that it refuses.
    set_minds_at_the_end: bool = [N, N, N, N, N, N, Y], "observed in all six: eval set -fZu; echo $-";
    /// `set +s` sorts backwards.
    set_sorts_backwards: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: set +s d e c; echo $*";
    /// `set -s` without words sorts the parameters that are there.
    set_sorts_present: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: set c b a; set -s; echo $*";
    /// `set -A` without a name lists the arrays.
    set_lists_arrays: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: set -A";
    /// `set -o` and `set +o` pass over what stands behind them once they have listed the options.
    set_list_ends: bool = [N, N, N, N, N, N, Y], "observed in all six: set -foo; echo $-";
    /// The status of a refused option where `command` spares the shell, if that is another one.
    spared_option_status: Option<Status> = [None, None, None, None, None, Some(2), None], "observed in all six: command set -Z; echo $?; command unset -Z; echo $?; (set -Z); echo $?";
    /// The option that `set -o ''` means.
    nameless_option: Option<u8> = [None, None, None, Some(b'i'), None, Some(b'c'), None], "observed in all six: set -o ''; echo $-";
    /// `set -o -f` and `set -o +f` name an option by its letter.
    set_names_may_be_letters: bool = [N, N, N, N, N, Y, N], "observed in all six: set -o +f; echo $-";
    /// Letters that change nothing where the shell has no privileges to drop.
    idle_letters: &'static str = ["", "", "", "", "p", "p", ""], "observed in all six: set -p; echo $-";
    /// `set` takes what is behind the letter `o` in its word for the name of the option.
    set_names_are_attached: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -onoglob; echo $-";
    /// `set` looks at all of its letters before it carries any out.
    set_checks_letters_first: bool = [N, Y, N, N, N, N, N], "observed in all six: set -f -Z; echo $-";
    /// `trap` tells the last conditions first.
    traps_told_backwards: bool = [N, N, N, N, Y, N, N], "observed in all six: trap a TERM INT; trap";
    /// `trap` tells signals with SIG before their names.
    traps_told_with_prefix: bool = [N, Y, N, N, N, N, N], "observed in all six: trap a INT; trap; in bash also with set -o posix, which leaves it away";
    /// The status of `umask`, `unalias` and their kin for an unknown option.
    option_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: umask -x; echo $?; unalias -x; echo $?";
    /// `command -v` tells the text of an alias alone, rather than the command that defines it.
    command_tells_alias_alone: bool = [N, N, N, N, Y, N, N], "observed in all six: alias x=\"it's\"; command -v x";
    /// The options without a letter that are on at the start.
    first_names: &'static str = ["", "interactive-comments", "", "", "backslashctrl log multiline viraw", "emacs inherit-xtrace nohup vi-tabcomplete", "nohashdirs"], "observed in bash, ksh93 and mksh: set -o";
    /// `set -s` sorts the parameters.
    set_sorts: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -s -- c a b; echo $1";
    /// How `typeset -p` tells variables.
    told_variables: Told = [Told::Nothing, Told::Declare, Told::Nothing, Told::Nothing, Told::Bare, Told::Elements, Told::Lists], "observed in all six: x='a b'; a=(1 2); typeset -p x a";
    /// The status of `typeset -p` for a name that no variable has.
    untold_variable_status: Status = [0, 1, 0, 0, 0, 0, 1], "observed in all six: typeset -p nosuch; echo $?";
    /// How `type` words what a name stands for.
    type_words: TypeWords = [TYPE_WORDS[0], TYPE_WORDS[1], TYPE_WORDS[2], TYPE_WORDS[3], TYPE_WORDS[4], TYPE_WORDS[5], TYPE_WORDS[6]], "observed in all six: type echo export if f label nosuch, also of an alias";
    /// What `type -p` tells.
    type_tells_programs: ProgramsTold = [ProgramsTold::Never, ProgramsTold::Unhidden, ProgramsTold::Never, ProgramsTold::Unhidden, ProgramsTold::Paths, ProgramsTold::InWords, ProgramsTold::InWords], "observed in all six: type -p label; type -p echo; f() { :; }; type -p f";
    /// The option letters of `whence`.
    whence_letters: &'static str = ["", "", "", "", "afpPtqv", "pv", "acfmpsSvwx:"], "observed in ksh93, mksh and zsh with each letter";
    /// `typeset -p` tells variables that have no value.
    tells_empty_variables: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset u; typeset -p u";
    /// Variables that switch an option on by being there, and what the option gives them.
    options_of_variables: &'static [OptionOfVariable] = [&[], &[OptionOfVariable { variable: "POSIXLY_CORRECT", option: "posix", value: "y", anew: false }, OptionOfVariable { variable: "IGNOREEOF", option: "ignoreeof", value: "10", anew: true }], &[], &[], &[], &[], &[]], "observed in all six: IGNOREEOF=3; [ -o ignoreeof ]; echo $?; set -o ignoreeof; echo $IGNOREEOF; set +o posix; echo $POSIXLY_CORRECT";
    /// What `set -o posix` changes.
    posix_mode: PosixMode = [PosixMode::Nothing, PosixMode::Rules, PosixMode::Nothing, PosixMode::Nothing, PosixMode::OctalAndBraces, PosixMode::OctalWithoutBraces, PosixMode::Nothing], "observed in bash, ksh93 and mksh: set -o posix; IFS=: export x; echo $IFS {a,b} $((010)); set +o posix; echo {a,b}";
    /// The names of the options of `set -o`, in the order that `set -o` lists them in.
    set_names: &'static str = ["allexport errexit ignoreeof monitor noclobber noexec noglob nolog notify nounset pipefail verbose vi xtrace", "allexport braceexpand emacs errexit errtrace functrace hashall histexpand history ignoreeof interactive-comments keyword monitor noclobber noexec noglob nolog notify nounset onecmd physical pipefail posix privileged verbose vi xtrace", "errexit noglob ignoreeof interactive monitor noexec stdin xtrace verbose vi emacs noclobber allexport notify nounset privileged nolog debug", "errexit noglob ignoreeof monitor noexec xtrace verbose noclobber allexport notify nounset errtrace vi pipefail", "allexport backslashctrl bgnice braceexpand clobber emacs errexit exec functrace glob globcasedetect globstar gmacs histexpand histreedit histverify ignoreeof interactive keyword letoctal log login_shell markdirs monitor multiline notify pipefail posix privileged rc restricted showme trackall unset verbose vi viraw xtrace", "allexport asis bgnice braceexpand emacs errexit gmacs ignoreeof inherit-xtrace interactive keyword login markdirs monitor noclobber noexec noglob nohup nolog notify nounset physical pipefail posix privileged restricted sh stdin trackall utf8-mode verbose vi vi-esccomplete vi-tabcomplete viraw xtrace", ""], "observed in all six: set -o";
    /// Options have names of zsh's kind: in any case, with underscores, and with `no` before them.
    named_options: bool = [N, N, N, N, N, N, Y], "observed in all six: set -o NO_GLOB; echo $-";
    /// The beginning of a name is enough if it is that of one option only, and `no` before it means the
    /// opposite.
    set_names_can_be_short: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and mksh: set -o er -o noerr; echo $-";
    /// The option that gives all others the values of a reset.
    option_that_resets: Option<&'static str> = [None, None, None, None, Some("default"), Some(".reset"), None], "observed in all six: set +o";
    /// The options that are on then.
    reset_names: &'static str = ["", "", "", "", "backslashctrl clobber exec glob log unset", "emacs inherit-xtrace nohup trackall vi-tabcomplete", ""], "observed in ksh93 and mksh: set --default; set -o";
    /// Only one way of editing lines can be on.
    editors_exclude: bool = [N, Y, N, N, Y, Y, N], "observed in all six: set -o vi; set -o emacs; set -o";
    /// How the utilities that declare list variables.
    variable_lists: VariableLists = [VariableLists::BEHIND, VariableLists::DECLARE, VariableLists::BEHIND, VariableLists::BEHIND, VariableLists::BARE, VariableLists::ELEMENTS, VariableLists::LISTS], "observed in all six: typeset; typeset -p; typeset +; typeset -x; typeset -xp; typeset +x; export; export -p; readonly; readonly -p";
    /// `set` lists variables that have no value.
    set_lists_unset: bool = [N, N, N, N, N, Y, Y], "observed in all six: export x; set";
    /// A list has the variables that all options choose, not those that any of them does.
    list_letters_all_count: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: typeset -i i=1; export e; typeset -ix";
    /// `typeset -p` lists variables without their values that nobody has asked for yet.
    lists_unseen: bool = [N, Y, N, N, N, N, N], "observed in bash and mksh: typeset -p; echo $LINENO; typeset -p";
    /// Lists tell the variables of a function behind those outside, which they tell too.
    lists_each_scope: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: f() { typeset a=1; typeset -p; }; b=2; f";
    /// Options of `typeset` that choose nothing from a list.
    list_letters_passed_over: &'static str = ["", "", "", "", "", "a", ""], "observed in bash, ksh93, mksh and zsh: x=1; typeset -a";
    /// `set` lists the functions too.
    set_lists_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; set";
    /// `local` without names lists the variables of the function.
    local_lists_own: bool = [N, Y, N, N, N, N, N], "observed in bash, mksh and zsh: f() { local a=1; local; }; f";
    /// `typeset -u`, `-L` and their kin change how a value is shown, and not what is kept.
    attributes_are_looks: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -u x=abc; typeset +u x; echo $x";
    /// A list leaves variables out that have neither a value nor an attribute.
    lists_skip_plain_unset: bool = [N, N, N, N, N, Y, N], "observed in bash and mksh: typeset x; typeset";
    /// Functions that are exported come and go in the environment.
    exports_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; export -f f; env";
    /// What the environment holds under names that no variable can have goes on to programs.
    passes_strings_on: bool = [N, Y, N, N, Y, N, Y], "observed in all six: env a-b=1 sh -c env";
    /// A program finds its own path in the variable `_`.
    programs_get_their_path: bool = [N, Y, N, N, N, Y, Y], "observed in all six: env -i sh -c '/usr/bin/env; :'";
    /// A variable of a function that is not exported hides none from programs.
    programs_see_hidden_exports: bool = [N, N, N, N, N, Y, N], "observed in all six: export v=1; f() { local v=2; env; }; f";
    /// A list tells names of variables behind all others.
    lists_names_last: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and mksh: typeset -n a=b; c=1; typeset -p";
    /// `typeset -p` cuts the command of a variable without a value before its name, and ends no line there.
    lists_cut_unset_commands: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: export x; typeset -p";
    /// A list of what variables are leaves those out that are nothing special.
    lists_special_only: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: x=1; typeset; typeset +";
    /// `export -p name...` lists all that are exported.
    listing_passes_names_over: bool = [N, N, Y, N, N, N, N], "observed in all six: x=1 y=2; export x; export -p y";
    /// How `set -o` lists the options.
    options_listed: OptionList = [OptionList::new(true, 16), OptionList { gap: "\t", ..OptionList::new(false, 15) }, OptionList::new(true, 16), OptionList::new(false, 16), OptionList::new(true, 25), OptionList { columns: true, ..OptionList::new(true, 15) }, OptionList::new(false, 22)], "observed in all six: set -o";
    /// What `set +o` prints, which makes the options again.
    options_as_commands: OptionCommands = [OptionCommands::Each, OptionCommands::Each, OptionCommands::Each, OptionCommands::Each, OptionCommands::Differing("set --default", " --", " --no"), OptionCommands::Differing("set -o .reset", " -o ", " +o "), OptionCommands::Each], "observed in all six: set -f; set +o";
    /// `set +B` switches brace expansion off.
    set_braces: bool = [N, Y, N, N, Y, N, N], "observed in all six: set +B; echo {a,b}";
    /// `declare -a a='(1 2)'` reads the text as a list.
    list_texts: ListTexts = [ListTexts::Texts, ListTexts::Lists, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Mistakes], "observed in all six: v='(1 2)'; typeset -a a=\"$v\"";
    /// `set -` takes the positional parameters away.
    set_dash_clears: bool = [N, N, N, N, N, N, Y], "observed in all six: set -; echo $#";
    /// `set -A name --` keeps the dashes.
    set_array_keeps_dashes: bool = [N, N, N, N, N, N, Y], "observed in all six: set -A x -- a; echo ${x[1]}";
    } };
}
pub(in crate::dialect) use telling_rows;
