//! The rows of the table about what built-in utilities do.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! utilities_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// What `local` does outside a function.
    local_outside: Outside = [Outside::Fatal, Outside::Fails, Outside::Fatal, Outside::Fatal, Outside::Fatal, Outside::Allowed, Outside::Allowed], "observed in all six: local x=1; echo after $x";
    /// How the definition of a function is printed.
    defines: Defines = [Defines::Never, Defines::Braces, Defines::Never, Defines::Never, Defines::Written, Defines::Escapes, Defines::Tabs], "observed in all six: f() { echo a; echo b & }; typeset -f f";
    /// `printf` shows a conversion that its format ends in as `%`.
    printf_shows_cut_conversions: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%5'; echo $?";
    /// What is no number for `*` in a format of `printf` makes the status 1.
    printf_minds_widths: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: printf '%*s' x a; echo $?";
    /// How the conversions of `printf` take arguments by their numbers.
    printf_positions: Positions = [Positions::None, Positions::None, Positions::None, Positions::None, Positions::InTurn, Positions::None, Positions::Apart], "observed in all six: printf '%2$s %1$s' a b; printf '%1$s %s' a b";
    /// What `command -v` and `-V` do with more than one name.
    command_tells: TellsNames = [TellsNames::All, TellsNames::Any, TellsNames::First, TellsNames::First, TellsNames::All, TellsNames::Stops, TellsNames::All], "observed in all six: command -v echo nosuch; echo $?; command -v nosuch echo; echo $?";
    /// The status of `type` without a name.
    type_nothing_status: Status = [0, 0, 0, 0, 2, 0, 1], "observed in all six: type; echo $?";
    /// The status of `command -v` without a name.
    command_nothing_status: Status = [0, 0, 0, 0, 2, 0, 1], "observed in all six: command -v; echo $?";
    /// The status of `type` with an option that it does not know.
    type_usage_status: Status = [1, 2, 127, 127, 2, 1, 1], "observed in all six: type -y :; echo $?";
    /// `type` with any option, and with `--`, tells as `command -v` does.
    type_options_shorten: bool = [N, N, N, Y, N, N, N], "observed in all six: type -y echo";
    /// `which`, `where` and `whence -f` tell the definitions of functions.
    whence_defines: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: f() { :; }; whence -f f; which f";
    /// How `typeset -R`, `-Z` and `-LZ` fill their fields.
    field_paddings: (Padding, Padding, Padding) = [(Padding::Right, Padding::Zeros, Padding::LeftDigits), (Padding::Right, Padding::Zeros, Padding::LeftDigits), (Padding::Right, Padding::Zeros, Padding::LeftDigits), (Padding::Right, Padding::Zeros, Padding::LeftDigits), (Padding::Right, Padding::Zeros, Padding::LeftDigits), (Padding::Right, Padding::Filled, Padding::LeftDigits), (Padding::RightWhole, Padding::Zeros, Padding::Left)], "observed in ksh93, mksh and zsh: typeset -R5 d='ab  '; typeset -Z5 z=-4; typeset -LZ5 l=0042";
    /// `typeset -ul` keeps small letters; elsewhere the two take each other away.
    both_cases_are_lower: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: typeset -ul b=aB; echo $b";
    /// `read -t 0` reads nothing, but asks whether it could.
    read_asks_without_waiting: bool = [N, Y, N, Y, N, N, N], "observed in all six: read -t 0 x <f; echo $? $x";
    /// `typeset -m` and `+m` tell the variables whose names match patterns.
    typeset_tells_matches: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: ab=1; typeset -m 'a*'";
    /// `typeset name` tells the value of a variable that is there already.
    typeset_tells_known: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: x=1; typeset x; f() { local y=2; local y; }; f";
    /// `typeset +r` makes a variable changeable again.
    read_only_can_end: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: readonly x=1; typeset +r x; x=2; echo $x";
    /// What stands before and behind the name of a function in a list of all functions.
    listed_functions: (&'static str, &'static str) = [("", ""), ("declare -f ", ""), ("", ""), ("", ""), ("", "()"), ("", ""), ("", "")], "observed in bash, ksh93, mksh and zsh: f() { :; }; declare -F; typeset +f";
    /// `declare`, `export` and `readonly` mark functions.
    functions_have_marks: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: f() { :; }; readonly -f f; f() { echo b; }; f";
    /// `type` and `command -V` also print the definition of a function.
    type_defines_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; type f";
    /// The option letters of `export`, `typeset` and their kin; a colon where one takes a value, a dot where it takes an attached number.
    declaration_letters: &'static str = ["p", "aAcfFgIilnprtux", "p", "np", "aAbCE.F.fgH.hi.L.lM:mnpR.rS.tT:uxZ.X.", "afgi.L.lnpR.rtUuxZ.", "aAfE.F.gHhi.klL.mpR.rtTUuxZ."], "observed with each letter";
    /// `local -` makes the options of `set` local.
    local_options: bool = [N, Y, Y, Y, N, N, N], "observed: f() { local -; set -f; }; f; echo *";
    /// `local` refuses a name that may not change outside.
    local_refuses_read_only: bool = [N, Y, N, Y, N, N, N], "observed in all six: readonly r; f() { local r; echo in; }; f";
    /// A declaration utility goes on behind a word that is no name or may not change.
    bad_names_are_passed_over: bool = [N, Y, N, N, N, N, N], "observed in all six: export 1x b=2; echo $b";
    /// `export` and `readonly` take elements of arrays.
    elements_are_exported: bool = [N, N, N, N, Y, Y, Y], "observed in all six: export a[1]=x; echo $?";
    /// A word of `export` or `readonly` that is no name, or may not change, ends the shell.
    bad_name_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: export 1x=2; echo after";
    /// `typeset -n` makes a variable the name of another.
    references: References = [References::None, References::Loose, References::None, References::None, References::Fatal, References::Given, References::None], "observed in all six: typeset -n r=x; r=1; echo $x; typeset -n r=1x";
    /// A file that `.` reads is among the functions that are being called, as `source`.
    files_are_calls: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: echo 'echo ${FUNCNAME[@]}' >f; . ./f";
    /// `unset -n` takes away a variable that is the name of another one.
    unset_names: bool = [N, Y, N, N, Y, N, N], "observed in all six: typeset -n r=x; unset -n r; echo after";
    /// `typeset -u` and its kin also change the value that the variable has already.
    attributes_change_values: bool = [N, N, N, N, Y, Y, Y], "observed in all six: x=abc; typeset -u x; echo $x";
    /// An option that `unset` does not know ends the shell.
    unset_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: unset -q x; echo after";
    /// The status of `unset` with an option that it does not know.
    unset_option_status: Status = [1, 2, 2, 2, 1, 1, 1], "observed in all six: unset -q x; echo $?";
    /// `unset` expands the index of an associative array a second time only where the name is quoted.
    unset_expands_once: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -A d; k='$x'; d[$k]=1; unset d[$k]; unset 'd[$k]'";
    /// `unset` of a word that is no name ends the shell.
    unset_bad_name_is_fatal: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: unset 1x; echo after";
    /// `unset` without an option passes over words that are no names.
    unset_passes_bad_names: bool = [N, Y, N, N, N, N, N], "observed in all six: unset 1x; echo $?; unset -v 1x; echo $?";
    /// `unset f` takes a function away where no variable has the name.
    unset_finds_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; unset f; f";
    /// The status of a `cd` that fails.
    folder_failure_status: Status = [1, 1, 2, 2, 1, 2, 1], "observed in all six: cd nosuch; echo $?";
    /// The option letters of `type`.
    type_letters: &'static str = ["", "aftpP", "", "tpa", "afpqt", "p", "afmpsSwW"], "observed in all six: type -t :";
    /// An option that `type` does not know is a mistake rather than a name.
    type_has_options: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: type -t :";
    /// The status of `command -v` and `type` for an unknown name.
    unknown_name_status: Status = [1, 1, 127, 127, 1, 1, 1], "observed in all six: command -v nosuch; echo $?";
    /// How many digits `umask` prints.
    mask_width: usize = [4, 4, 4, 4, 4, 3, 3], "observed in all six: umask";
    /// A file that `.` cannot read ends the shell.
    dot_failure_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: . ./nosuch; echo after";
    /// `. file a b` makes a and b the positional parameters while it runs.
    dot_takes_arguments: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: a file with echo $1";
    /// A word of `read` that is no name ends the shell.
    read_bad_name_is_fatal: bool = [N, N, N, N, N, N, Y], "observed in all six: read 1x; echo after";
    /// The status of `read` for a word that is no name.
    read_bad_name_status: Status = [1, 1, 2, 1, 1, 2, 1], "observed in all six: read 1x </dev/null; echo $?";
    /// Which of its names `read` looks at before it reads.
    read_looks_at: ReadLooksAt = [ReadLooksAt::All, ReadLooksAt::First, ReadLooksAt::None, ReadLooksAt::Filled, ReadLooksAt::First, ReadLooksAt::None, ReadLooksAt::All], "observed in all six: read x 1y z <<<'a b c'; echo $? $x";
    /// What `read` makes of `x=4`.
    read_names_with_values: NamesWithValues = [NamesWithValues::Refused, NamesWithValues::Refused, NamesWithValues::Cut, NamesWithValues::Refused, NamesWithValues::Refused, NamesWithValues::Skipped, NamesWithValues::Refused], "observed in all six: read x=4 y <f; echo $? $x $y";
    /// The status of `read` where it finds a word that is no name when it assigns it.
    read_late_name_status: Status = [2, 1, 2, 2, 1, 2, 1], "observed in all six: read x - <f; echo $?; read x '' <f; echo $?";
    /// The array that `read -A` fills without a name; where there is none, it reads a line.
    read_array_name: Option<&'static str> = [None, None, None, None, None, Some("REPLY"), Some("reply")], "observed in all six: read -A <<< 'x y'; echo ${REPLY[1]} ${reply[1]}";
    /// The status of `read -A` with several names, where it is a mistake; otherwise the others become empty.
    read_array_others_status: Option<Status> = [None, None, None, None, None, Some(2), Some(1)], "observed in all six: read -A a b <<< 'x y'; echo $?";
    /// An empty line makes an array with one empty element.
    read_empty_is_element: bool = [N, N, N, N, Y, N, Y], "observed in all six: read -A a <<< ''; echo ${#a[@]}";
    /// `read -a` fills an array with the codes of characters.
    read_array_takes_codes: bool = [N, N, N, N, N, Y, N], "observed in all six: read -a a <<< 'x y'; echo ${a[0]}";
    /// `read` without a name keeps white space at both ends in REPLY.
    reply_is_whole: bool = [N, Y, N, Y, N, N, N], "observed: read with ' a b '";
    /// `break` outside a loop ends the shell.
    lone_break_is_fatal: bool = [N, N, N, N, N, N, Y], "observed in all six: break; echo after";
    /// `return` outside a function ends the shell; otherwise it is a mistake with the status 2.
    return_ends_shell: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: return; echo after";
    /// What too many arguments of `exit` and `return` end; nothing where they are not looked at.
    too_many_arguments_end: Option<Reach> = [None, Some(Reach::Shell), None, None, None, Some(Reach::Shell), Some(Reach::Command)], "observed in all six: exit 1 2; echo after";
    /// What `exit` and `return` take for a number.
    status_numbers: StatusNumbers = [StatusNumbers::Natural, StatusNumbers::Signed, StatusNumbers::Natural, StatusNumbers::Digits, StatusNumbers::Leading, StatusNumbers::Short, StatusNumbers::Expression], "observed in all six: f() { return ' 3'; }; f; echo $?, and 3x, -1, 3000000000";
    /// `eval --` leaves the dashes out.
    eval_takes_dashes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: eval -- echo a";
    /// A syntax error in the text of `eval` ends the shell.
    eval_syntax_is_fatal: bool = [Y, N, Y, Y, N, Y, N], "observed in all six: eval fi; echo after";
    /// The status of `eval` after a syntax error in its text.
    eval_syntax_status: Status = [2, 2, 2, 2, 3, 1, 1], "observed in all six: eval fi; echo $?";
    /// The argument of `shift`, `exit` and their kin is an arithmetic expression.
    numerals_are_expressions: bool = [N, N, N, N, Y, Y, Y], "observed in all six: shift 1+1";
    /// An unknown option of `set` ends the shell.
    unknown_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: set -Z; echo after";
    /// `set -` switches `-v` and `-x` off.
    set_dash_ends_tracing: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: set -vx; set -; echo $-";
    /// The status of `unset` for an element with more behind its index.
    unset_of_more_status: Status = [1, 0, 1, 1, 1, 1, 1], "observed in bash and ksh93: typeset -A a; unset 'a[]]'; echo $?";
    /// Option letters of `set` besides those that change words.
    set_letters: &'static str = ["bCmhvx", "EHPTCbhkmptvx", "CEIVbmpvxis", "CEIbmvx", "CHbhkmptvxsG", "CUbhkmpvxsX", "0123456789BDEGHIJKLMNOPQRSTUVWXYZdfghiklmprstvwxy"], "observed in all six with each letter";
    /// `set -A name values` fills an array.
    set_fills_arrays: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -A x a b; echo ${x[1]}";
    /// A function named TRAP and a condition is the action for that condition.
    functions_are_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: TRAPUSR1() { echo $1; }; kill -USR1 $$";
    /// Escapes that `echo` decodes: letters, `0` for octal digits behind a zero, `1` for others, `-` where
    /// a code beyond U+FFFF becomes U+FFFD, `.` where `\\x` and `\\u` without digits are a NUL.
    echo_escapes: &'static str = ["abcfnrtv\\0", "abceEfnrtv\\0xuU", "abcefnrtv\\01", "abcefnrtv\\01x", "abcEfnrtv\\0", "abceEfnrtv\\0xuU-", "abcefnrtv\\0xuU."], "observed in all six with each letter";
    /// The option letters of `print`; a colon where one takes a value.
    print_letters: &'static str = ["", "", "", "", "enprRsvCf:u:", "AcelnNprRsu:", "abcC:Df:ilmnNoOpPrRsSu:v:xX:z"], "observed in ksh93, mksh and zsh with each letter";
    /// The status of `whence` with an option that it does not know.
    whence_usage_status: Status = [1, 1, 1, 1, 2, 1, 1], "observed in ksh93, mksh and zsh: whence -Q x; echo $?";
    /// The status of `print` with an option that it does not know.
    print_usage_status: Status = [1, 1, 1, 1, 2, 1, 1], "observed in ksh93, mksh and zsh: print -q; echo $?";
    /// `print` has columns, but none of zsh's other forms.
    print_columns_only: bool = [N, N, N, N, Y, Y, N], "observed in ksh93, mksh and zsh: print -c a b";
    /// Options of `print -R` behind the R.
    print_echo_letters: &'static str = ["", "", "", "", "n", "n", "neE"], "observed in ksh93, mksh and zsh: print -R -e 'a\\tb'";
    /// `print -N` ends in a NUL byte.
    print_ends_in_nul: bool = [N, N, N, N, N, Y, Y], "observed in mksh and zsh: print -N a";
    /// Escapes that the format of `printf` decodes.
    format_escapes: &'static str = ["abfnrtv\\1", "abeEfnrtv\\1xuU?\"'", "abefnrtv\\1", "abcefnrtv\\1x", "abeEfnrtv\\1xuU?\"'*^", "abcefnrtv\\1xuU\"", "abcefnrtv\\1xuU."], "observed in all six with each letter";
    /// Escapes that `%b` of `printf` decodes.
    argument_escapes: &'static str = ["abcfnrtv\\0", "abceEfnrtv\\01xuU", "abcefnrtv\\01", "abcefnrtv\\01x", "abcEfnrtv\\0", "abcefnrtv\\01xuU\"", "abcefnrtv\\0xuU."], "observed in all six with each letter";
    /// `%q` of `printf` quotes.
    printf_quotes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: printf %q 'a b'";
    /// `%(format)T` of `printf` shows a time.
    printf_times: bool = [N, Y, N, N, Y, N, N], "observed in all six: printf '%(%Y)T' 0";
    /// Utilities for which a lone `-` ends the options.
    lone_dash_ends_options: &'static [&'static str] = [&[], &[], &[], &[], &["typeset", "alias"], &["export", "readonly", "typeset", "local", "alias"], &["export", "readonly", "typeset", "declare", "local", "integer", "float", "alias", "unalias", "unset", "read", "shift"]], "observed in all six: export - v=1; typeset - v=1; alias - a=b; read - x; shift -";
    /// How `%a` of `printf` writes its digits, if there is one.
    printf_hexadecimal: Option<HexDigits> = [None, Some(HexDigits::Needed), Some(HexDigits::Needed), None, Some(HexDigits::Many), None, None], "observed in all six: printf '%a %.0a' 3.7 1.5";
    /// `read -n` passes over bytes 0, if `read` does.
    counted_read_drops_nul: bool = [N, Y, N, N, N, N, N], "observed in all six: printf 'a\\0b\\n' | { read -n 2 x; echo $x; }";
    /// `read` passes over bytes 0.
    read_drops_nul: bool = [N, Y, Y, Y, Y, N, N], "observed in all six: printf 'a\\0b\\n' | { read x; echo $x; }";
    /// The conditions whose actions a subshell has too.
    subshell_keeps_actions: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], &["ERR", "ZERR", "DEBUG"]], "observed in all six: trap 'echo e' ERR; (false); trap 'echo d' DEBUG; (:)";
    /// Behind a `read` a newline separates fields until IFS is set again or a command is substituted.
    read_makes_newline_separate: bool = [N, N, N, N, Y, N, N], "observed in all six: IFS=:; read z <<<q; x='a, newline, b'; echo $x";
    /// `type` and `whence` tell declaration utilities as reserved words.
    declarations_are_keywords: bool = [N, N, N, N, N, N, Y], "observed in zsh: whence -w export typeset";
    /// `shift` shortens arrays too: `shift 2 array`, and `shift -p` takes from the end.
    shift_takes_arrays: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); shift a; echo $a";
    /// `set --anything` is `set --`.
    set_dashes_may_go_on: bool = [N, N, N, N, N, N, Y], "observed in all six: set --a b; echo $1";
    /// What too many arguments of `shift` and `break` end; nothing where they are not looked at.
    too_many_numbers_end: Option<Reach> = [None, Some(Reach::Shell), None, None, None, None, Some(Reach::Command)], "observed in all six: shift 1 2; echo after";
    /// The option letters of `exec`; none where options are the command.
    exec_letters: Option<&'static str> = [Some(""), Some("cla:"), None, Some("a:"), Some("a:c"), Some("a:c"), Some("cla:")], "observed in all six: exec -a x echo; exec -l echo";
    /// `exec -a name` needs a command.
    exec_name_needs_command: bool = [N, N, N, N, N, Y, Y], "observed in all six: exec -a x; echo after";
    /// `builtin` for a name or an option that is none ends the shell; otherwise it has a status.
    builtin_mistakes_are_fatal: bool = [N, N, N, N, N, Y, N], "observed in all six: builtin nosuch; echo after";
    /// The status of `builtin` for an option that it does not have.
    builtin_usage_status: Status = [1, 2, 1, 1, 2, 1, 1], "observed in all six: builtin -x echo; echo $?";
    /// `builtin` carries nothing out: it says whether its operands are built in.
    builtin_only_asks: bool = [N, N, N, N, Y, N, N], "observed in ksh93: builtin echo cd; echo $?";
    /// An argument of `shift`, `break`, `exit` and `return` that begins with a dash and no digit is an
    /// unknown option.
    numbers_are_no_options: bool = [N, N, N, N, Y, Y, N], "observed in all six: shift -x; echo after";
    /// The argument of `shift` and `break` has no sign.
    numerals_have_no_sign: bool = [N, N, N, Y, N, N, N], "observed in all six: shift +1; echo after";
    /// The status of `set -o` for a name that it does not know.
    unknown_long_option_status: Status = [2, 2, 2, 1, 2, 2, 1], "observed in all six: set -o nosuch; echo $?";
    /// `set --name` is `set -o name`.
    set_long_options: bool = [N, N, N, N, Y, N, N], "observed in all six: set --noglob; echo *";
    /// `exec -a name command` looks PATH up for the name, not for the command.
    exec_seeks_given_name: bool = [N, N, N, Y, N, N, N], "observed in busybox: exec -a nosuch ls";
    /// `exec -l -a name` puts a dash before the name.
    exec_dash_before_given_name: bool = [N, Y, N, N, N, N, N], "observed in all six: exec -la x printargs";
    /// An unknown option of `exec` ends the shell.
    exec_option_is_fatal: bool = [Y, N, Y, Y, Y, N, Y], "observed in all six: exec -x true; echo after";
    /// The status of `unset -f` for what is no function.
    unset_no_function_status: Status = [0, 0, 0, 0, 0, 0, 1], "observed in all six: unset -f nosuch; echo $?";
    /// `alias -g` makes an alias that is replaced wherever it is a word.
    global_aliases: bool = [N, N, N, N, N, N, Y], "observed in zsh: alias -g G=word, newline, echo G";
    /// Utilities that go on, with this status, when they cannot assign a read-only variable.
    read_only_statuses: &'static [(&'static str, Status)] = [&[], &[("read", 1), ("getopts", 2), ("mapfile", 1), ("readarray", 1), ("printf", 1)], &[("getopts", 2)], &[("getopts", 2)], &[("read", 1), ("getopts", 2), ("printf", 1), ("eval", 1)], &[("read", 2), ("getopts", 2), ("typeset", 2)], &[]], "observed in all six: readonly r; read r <<< k; echo after $?";
    /// `read` goes on with its other names when one is read-only.
    read_passes_read_only: bool = [N, N, N, N, Y, N, N], "observed in ksh93: readonly r; read x r y <<< 'a b c'; echo $x $y";
    /// The status of `read` for an unknown option, or one that lacks its value.
    read_usage_status: Status = [2, 2, 2, 2, 2, 2, 1], "observed in all six: read -n; echo $?";
    /// The status of `typeset` and its kin for an unknown option.
    declaration_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: typeset -Q m; echo $?";
    /// A word of `typeset` or `local` that is no name ends the shell.
    bad_local_name_is_fatal: bool = [Y, N, Y, Y, Y, N, Y], "observed in all six: f() { typeset 1x; echo after; }; f";
    /// `name+=value` appends the text even if the variable holds a number.
    integers_append_text: bool = [N, N, N, N, N, Y, N], "observed in all six: typeset -i n=3; n+=1; echo $n";
    /// `test` does not look at words behind a complete expression.
    test_ignores_rest: bool = [N, N, N, N, Y, N, N], "observed in all six: [ -f lid x ]; echo $?";
    /// How a variable of `typeset -E` shows its number: the letter of `printf`, and how much less than
    /// asked for the precision is.
    scientific_numbers: (u8, usize) = [(b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'e', 1)], "observed in ksh93 and zsh: typeset -E3 f=1234.5; echo $f";
    /// `typeset -F` and `float` make variables that hold real numbers.
    real_variables: bool = [N, N, N, N, Y, N, Y], "observed in all six: typeset -F2 f=1.567; echo $f";
    /// Behind an `eval` whose text ends in a backslash the next line cannot begin with a reserved word.
    last_backslash_hides_reserved: bool = [N, Y, N, N, N, N, N], "observed in bash: eval 'echo \\\\', newline, { echo a; }";
    /// The words that `type` calls reserved.
    reserved_words: &'static [&'static str] = [RESERVED, RESERVED_BASH, RESERVED, RESERVED_BUSYBOX, RESERVED_KSH, RESERVED_MKSH, RESERVED_ZSH], "observed in all six: type if [[ coproc end";
    /// `set` takes what is behind the letter `o` in its word for the name of the option.
    set_names_are_attached: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -onoglob; echo $-";
    /// `set` looks at all of its letters before it carries any out.
    set_checks_letters_first: bool = [N, Y, N, N, N, N, N], "observed in all six: set -f -Z; echo $-";
    /// Utilities that find no terminal, no history and no job control in a script, and their status then.
    idle_utilities: &'static [(&'static str, Status)] = [
        &[("bg", 1), ("fg", 1)],
        &[("bg", 1), ("fg", 1), ("logout", 1), ("suspend", 1)],
        &[("bg", 2), ("fg", 2)],
        &[("bg", 2), ("fg", 2), ("history", 0)],
        &[("bg", 1), ("fc", 1), ("fg", 1), ("hist", 1), ("stop", 2)],
        &[("bg", 1), ("bind", 1), ("fc", 1), ("fg", 1)],
        &[("bg", 1), ("fc", 1), ("fg", 1), ("history", 1), ("r", 1), ("ttyctl", 0), ("vared", 1), ("zle", 1)]
    ], "observed in all six: fg; fc; history; suspend; echo $?";
    /// The status of `jobs` and `disown` with a job that there is not.
    no_such_job_status: Status = [1, 1, 2, 2, 1, 1, 127], "observed in all six: jobs %1; disown %1; echo $?";
    /// The status of `kill` with a signal that there is not.
    kill_signal_status: Status = [1, 1, 2, 1, 2, 1, 1], "observed in all six: kill -x 1; kill -s; echo $?";
    /// The status of `kill` with what is neither a process nor a job.
    kill_process_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: kill abc; echo $?";
    /// `kill -l` tells a number that is no signal as it is.
    kill_tells_any_number: bool = [N, N, N, Y, Y, Y, Y], "observed in all six: kill -l 99";
    /// The status of `ulimit` with an option that there is not.
    ulimit_usage_status: Status = [2, 2, 2, 1, 2, 1, 1], "observed in all six: ulimit -Z; echo $?";
    /// `read` into a read-only variable ends with the status 2.
    read_ends_at_read_only: bool = [N, N, Y, Y, N, N, N], "observed in all six: readonly r=1; read r < file; echo $?";
    /// The status of `kill` with a job that there is not.
    kill_no_job_status: Status = [1, 1, 2, 2, 1, 1, 1], "observed in all six: kill %1; echo $?";
    /// A command name that begins with `%` stands for `fg` with a job.
    job_names: JobNames = [JobNames::None, JobNames::Any, JobNames::None, JobNames::None, JobNames::None, JobNames::None, JobNames::Unquoted], "observed in all six: %1; '%1'; echo $?";
    /// `typeset -fu` marks functions that are to be read from files, which may not exist yet.
    typeset_marks_functions: bool = [N, N, N, N, Y, Y, Y], "observed in all six: typeset -fu nosuch; echo $?";
    /// The status of `.` with an option, where it has options; it has none that it knows.
    dot_option_status: Option<Status> = [Some(2), Some(2), Some(2), Some(2), Some(2), Some(1), None], "observed in all six: . -x; echo $?";
    /// An option of `.` ends the shell.
    dot_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: . -x; echo after; source -x; echo after";
    /// `test` compares numbers with what stands behind their points.
    test_compares_reals: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0.5 -gt 0 ]; echo $?";
    /// `test` reads hexadecimal numbers.
    test_hexadecimal: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0x1f -gt 0 ]";
    /// `echo` decodes escapes without being asked.
    echo_decodes: bool = [Y, N, Y, N, N, Y, Y], "observed in all six: echo 'a\\tb'";
    /// The option letters of `echo`.
    echo_options: &'static str = ["", "neE", "n", "neE", "ne", "neE", "neE"], "observed in all six: echo -ne a";
    /// `shift` by more than there are parameters ends the shell.
    shift_too_many_is_fatal: bool = [Y, N, Y, N, Y, Y, N], "observed in all six: shift 5; echo after";
    /// `unset` of a read-only variable ends the shell.
    unset_read_only_is_fatal: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: readonly x; unset x; echo after";
    /// `return` leaves its whole number in `$?`, not only the last byte of it.
    returns_wide_statuses: bool = [N, N, Y, N, Y, N, Y], "observed in all six: f() { return 256; }; f; echo $?";
    /// What `trap` knows besides EXIT and signals.
    trap_conditions: &'static str = ["", "DEBUG ERR RETURN", "", "ERR", "ERR DEBUG", "ERR", "ERR DEBUG ZERR"], "observed in all six: trap : DEBUG; echo $?";
    /// The status of `umask` for what is no mask.
    umask_usage_status: Status = [1, 1, 2, 2, 1, 1, 1], "observed in all six: umask 9; echo $?";
    /// The status of `getopts` without a name.
    getopts_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: getopts a; echo $?";
    /// The status of `let` for what is no expression.
    let_mistake_status: Status = [1, 1, 1, 2, 1, 2, 1], "observed in all six: let 1/0; echo $?";
    /// The status of `.` for a file that cannot be read.
    dot_failure_status: Status = [1, 1, 1, 1, 1, 1, 127], "observed in all six: . ./nosuch; echo $?";
    /// The status a shell ends with after a wrong use of a special built-in utility.
    usage_status: Status = [2, 2, 2, 2, 1, 1, 1], "observed in all six: shift x; echo $?";
    /// A wrong argument of `shift`, `break` and the like ends the shell; otherwise its status is 1.
    usage_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: shift x; echo after";
    /// Words that begin with a plus are options too: `getopts a o +a` finds `+a`.
    getopts_takes_plus: bool = [N, N, N, N, N, Y, Y], "observed in all six: getopts a o +a; echo $o";
    /// What `getopts` does where OPTIND lies behind all words.
    getopts_beyond: BeyondWords = [BeyondWords::Stays, BeyondWords::GoesBack, BeyondWords::StartsOver, BeyondWords::StartsOver, BeyondWords::Stays, BeyondWords::GivesUp, BeyondWords::Stays], "observed in all six: OPTIND=5; getopts ab o -a; echo $? $o $OPTIND";
    /// Where the words have changed and the word on hand is too short now, it is read from its start.
    getopts_rereads_word: bool = [N, Y, N, N, N, N, N], "observed in all six: getopts ab o -ab; getopts ab o -b; echo $o $OPTIND";
    /// `set` and `shift` make `getopts` begin at the first word.
    getopts_follows_set: bool = [N, N, Y, Y, N, N, N], "observed in all six: set -- -a -b; getopts ab o; shift; getopts ab o; echo $o";
    /// Which functions have a place of their own in their words.
    getopts_in_functions: FreshOptions = [FreshOptions::Never, FreshOptions::Never, FreshOptions::PlaceOnly, FreshOptions::PlaceOnly, FreshOptions::Keyword, FreshOptions::Keyword, FreshOptions::Always], "observed in all six: f() { getopts ab p -ba; echo $p $OPTIND; }; getopts ab o -ab; f; getopts ab o -ab; echo $o; and function f { ...; }";
    /// `unset OPTIND` makes `getopts` begin again.
    getopts_minds_unset: bool = [N, Y, N, Y, Y, N, N], "observed in all six: getopts ab o -ab; unset OPTIND; getopts ab o -ab; echo $o";
    /// The action for EXIT is carried out behind syntax errors too.
    syntax_errors_act: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: trap 'echo bye' EXIT, newline, a closing parenthesis, or an open quote";
    /// `exit` in a file that `.` carries out with arguments: the action for EXIT sees those.
    exit_keeps_file_parameters: bool = [N, N, N, Y, N, Y, Y], "observed in all six: trap 'echo $1' EXIT; . ./file own, with exit in it";
    /// The status that the action for EXIT sees after a syntax error.
    syntax_error_status: Status = [2, 2, 2, 2, 0, 1, 1], "observed in all six: trap 'echo $?' EXIT, newline, a closing parenthesis";
    /// The action for EXIT sees the status of a mistake that ended the shell.
    exit_action_sees_mistakes: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: trap 'echo $?' EXIT; shift 9";
    /// When `set -e` ends the shell inside a function, only the action for EXIT of that function is
    /// carried out.
    error_exit_skips_outer_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo bye' EXIT; f() { set -e; false; }; f";
    /// The action for EXIT is carried out behind mistakes too.
    mistakes_act: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: trap 'echo bye' EXIT; echo $((1/0))";
    /// The action for EXIT is carried out when `exec` finds no program.
    failed_exec_acts: bool = [Y, Y, Y, Y, N, Y, N], "observed in all six: trap 'echo bye' EXIT; exec nosuch";
    /// The colon at the start of the options names an option too.
    getopts_finds_colon: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts :ab o -:; echo $o";
    /// The status of `printf` for a format that begins with a dash, which is an option; nothing where
    /// it is a format.
    printf_option_status: Option<Status> = [None, Some(2), Some(2), None, Some(2), None, None], "observed in all six: printf -x; echo $?; printf '-%s' a; echo $?";
    /// The status of `printf -v` without a format.
    printf_nothing_status: Status = [2, 2, 2, 2, 2, 2, 1], "observed in all six: printf; echo $?";
    /// There is `printf -v`.
    printf_stores: bool = [N, Y, N, N, Y, N, Y], "observed in all six: printf -v x a; echo $x";
    /// The option letters of `cd`.
    folder_letters: &'static str = ["LP", "LPe", "LP", "LP", "LPe", "LPe", "LPqs"], "observed in all six with each letter";
    /// The status of `cd` for an unknown option.
    folder_usage_status: Status = [2, 2, 2, 2, 2, 2, 1], "observed in all six: cd -x combs; echo $?";
    /// The status of `cd` with two operands; nothing where the second is not looked at.
    second_folder_status: Option<Status> = [None, Some(1), None, None, Some(1), Some(2), Some(1)], "observed in all six: cd combs extra; echo $?";
    /// `cd` without a folder, and HOME unset, stays where it is.
    no_folder_is_here: bool = [N, N, Y, Y, N, N, Y], "observed in all six: unset HOME; cd; echo $?";
    /// `cd ''` stays where it is.
    empty_folder_is_here: bool = [N, Y, Y, Y, N, Y, Y], "observed in all six: cd ''; echo $?";
    /// `cd` tells the folder that CDPATH or `-` has led it to.
    folder_path_is_told: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: CDPATH=combs; cd deep";
    /// `cd` looks in the current folder only if CDPATH names it.
    folder_path_is_all: bool = [N, N, N, N, Y, Y, N], "observed in all six: CDPATH=nosuch; cd combs; pwd";
    /// `cd -` tells the folder as OLDPWD names it, and not from the root.
    folder_back_is_told_as_named: bool = [N, Y, N, N, N, N, N], "observed in all six: OLDPWD=combs; cd -";
    /// `cd -` goes where the shell was, whatever OLDPWD says.
    folder_back_is_remembered: bool = [N, N, N, N, N, N, Y], "observed in all six: OLDPWD=combs; cd -; pwd";
    /// The status of `cd` with three operands and more; nothing where it is that of two.
    third_folder_status: Option<Status> = [None, None, None, None, Some(2), None, None], "observed in all six: cd a b c; echo $?";
    /// `pwd` with an operand is a mistake with the status 1.
    pwd_refuses_operands: bool = [N, N, N, N, N, Y, Y], "observed in all six: pwd extra; echo $?";
    /// What `times` with an operand ends; nothing where the operand is not looked at.
    times_operand_end: Option<Reach> = [None, None, None, None, Some(Reach::Shell), None, Some(Reach::Command)], "observed in all six: times extra; echo $?";
    /// `times` has no options, but minds them.
    times_reads_options: bool = [N, Y, N, N, N, N, N], "observed in all six: times -x; echo $?";
    /// The status of `wait` for a job that there is not.
    wait_no_job_status: Status = [127, 127, 2, 2, 0, 127, 127], "observed in all six: wait %1; echo $?";
    /// The status of `wait` for what is no process.
    wait_no_process_status: Status = [1, 1, 2, 2, 1, 127, 127], "observed in all six: wait x; echo $?";
    /// Bytes that the name of an alias may not hold.
    alias_names_refuse: &'static str = ["", "\"$&'()/;<>\\`| \t\n", "", "", "\"$&'()*/;<>?[\\`{|} \t\n", "\"#$&'()*/;<>?\\^`{|}~ \t\n", ""], "observed in all six: alias x?y=1; echo $? with each byte of ASCII in place of the mark";
    /// `alias` does not go on behind a bad name.
    alias_stops_at_bad_name: bool = [N, N, N, N, Y, Y, N], "observed in all six: alias 'a\"b=1' z=2; alias z";
    /// The status of `alias` is the number of unknown names before the first new alias.
    alias_counts_unknown_names: bool = [N, N, N, N, Y, N, N], "observed in all six: alias nosuch nosuch2; echo $?; alias a=b nosuch; echo $?";
    /// `unset` reads only the start of a name, and passes over what is none.
    unset_reads_starts: bool = [N, N, N, N, N, Y, N], "observed in all six: unset a-b; echo $?; unset 1x; echo $?";
    /// `unset -f` of what is no name has the status 1.
    unset_minds_function_names: bool = [N, N, N, N, Y, N, Y], "observed in all six: unset -f 1x; echo $?";
    /// What `getopts` does where OPTIND or OPTARG is read-only.
    getopts_and_read_only: ReadOnlyOptions = [ReadOnlyOptions::Minds, ReadOnlyOptions::Leaves, ReadOnlyOptions::Minds, ReadOnlyOptions::Minds, ReadOnlyOptions::Overwrites, ReadOnlyOptions::Overwrites, ReadOnlyOptions::Overwrites], "observed in all six: readonly OPTIND; getopts a x -a; echo $? $x $OPTIND";
    /// The options of `trap`; nothing where it has none.
    trap_letters: Option<&'static str> = [Some("p"), Some("lp"), Some(""), Some(""), Some("lp"), Some(""), None], "observed in all six: trap -p INT; trap -l; trap -x";
    /// An unknown option of `trap` ends the shell.
    trap_options_are_fatal: bool = [N, N, Y, Y, Y, Y, N], "observed in all six: trap -x; echo $?";
    /// `trap` tells the last conditions first.
    traps_told_backwards: bool = [N, N, N, N, Y, N, N], "observed in all six: trap a TERM INT; trap";
    /// `trap` tells signals with SIG before their names.
    traps_told_with_prefix: bool = [N, Y, N, N, N, N, N], "observed in all six: trap a INT; trap";
    /// `trap -p INT` tells the action alone.
    trap_tells_action_alone: bool = [N, N, N, N, Y, N, N], "observed in bash and ksh93: trap a INT; trap -p INT";
    /// `trap` does not go on behind a condition that it does not know.
    trap_stops_at_unknown: bool = [N, N, Y, N, Y, N, Y], "observed in all six: trap a nosuch INT; trap";
    /// What a subshell has of the actions outside.
    subshell_traps: OuterTraps = [OuterTraps::Told, OuterTraps::Told, OuterTraps::Ignored, OuterTraps::ToldByLoneTrap, OuterTraps::ToldOutsidePipelines, OuterTraps::Ignored, OuterTraps::None], "observed in all six: trap a TERM; trap '' HUP; x=$(trap); (trap); trap | cat";
    /// The status of `read -p`, which reads from a coprocess, where there is none; nothing where `-p`
    /// is a prompt.
    no_coprocess_status: Option<Status> = [None, None, None, None, Some(1), Some(2), Some(1)], "observed in all six: read -p; echo $?";
    /// The status of `umask`, `unalias` and their kin for an unknown option.
    option_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: umask -x; echo $?; unalias -x; echo $?";
    /// The status of `unalias` without a name.
    unalias_nothing_status: Status = [2, 2, 0, 0, 2, 0, 1], "observed in all six: unalias; echo $?";
    /// The option letters of `command`.
    command_letters: &'static str = ["pvV", "pvV", "pvV", "pvV", "pvVx", "pvV", "pvV"], "observed in all six with each letter";
    /// The status of `command` for an unknown option.
    command_usage_status: Status = [2, 2, 2, 2, 2, 1, 127], "observed in all six: command -x true; echo $?";
    /// `trap` reads the commands of an action at once, and fails where it cannot.
    trap_reads_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'if' INT; echo $?";
    /// What a lone operand of `trap` must be to take the action of a condition away.
    lone_condition: LoneCondition = [LoneCondition::Condition, LoneCondition::KnownOr(2), LoneCondition::Condition, LoneCondition::Condition, LoneCondition::Never(1), LoneCondition::SignalOr(0), LoneCondition::KnownOrAllOr(0)], "observed in all six: trap foo; echo $?; trap -; trap INT; trap int; trap EXIT; trap";
    /// What makes the first of several operands of `trap` a condition, and no action.
    first_condition: FirstCondition = [FirstCondition::Number, FirstCondition::Number, FirstCondition::KnownNumber, FirstCondition::Number, FirstCondition::Number, FirstCondition::Number, FirstCondition::Known], "observed in all six: trap 2 TERM; trap 65 TERM; trap INT TERM; trap";
    /// The largest number of a signal that `trap` takes.
    largest_signal: i64 = [64, 64, 64, 64, 64, 64, 33], "observed in all six: trap : 34; echo $?";
    /// The conditions of `trap` are written in capitals.
    conditions_in_capitals: bool = [N, N, N, N, N, N, Y], "observed in all six: trap : hup; echo $?";
    /// How many bytes of SIG may stand before the name of a signal.
    condition_prefix: usize = [0, 3, 0, 3, 3, 3, 3], "observed in all six: trap : SIGHUP; echo $?";
    /// The status of `.` without a file; nothing where that ends the shell.
    no_file_status: Option<Status> = [None, Some(2), Some(0), Some(2), None, None, Some(1)], "observed in all six: . ; echo $?";
    /// A word of options of `echo` has no letter twice.
    echo_letters_once: bool = [N, N, Y, N, Y, N, N], "observed in all six: echo -nn a";
    /// `echo` has one word of options.
    echo_takes_one_option: bool = [N, N, Y, N, N, N, N], "observed in all six: echo -n -n a";
    /// The status of `kill` without a process.
    kill_nothing_status: Status = [1, 2, 2, 1, 2, 1, 1], "observed in all six: kill; echo $?";
    /// The status of `hash` for a name that it does not find.
    unknown_hash_status: Status = [1, 1, 1, 1, 0, 0, 1], "observed in all six: hash nosuch; echo $?";
    /// The status of `alias` for an unknown option; nothing where it has none and takes them for names.
    alias_usage_status: Option<Status> = [None, Some(2), None, None, Some(2), Some(1), Some(1)], "observed in all six: alias -x; echo $?";
    /// `command -v` tells the text of an alias alone, rather than the command that defines it.
    command_tells_alias_alone: bool = [N, N, N, N, Y, N, N], "observed in all six: alias x=\"it's\"; command -v x";
    /// What `alias name` tells before the name.
    alias_prefix: &'static str = ["", "alias ", "", "", "", "", ""], "observed in all six: alias x=1; alias x";
    /// A word such as `--name` ends the shell where `-` is no option.
    getopts_long_names_are_fatal: bool = [N, N, N, N, Y, N, N], "observed in all six: getopts ab o --ab; echo after";
    /// At the end of the options OPTARG is unset.
    getopts_end_unsets_value: bool = [N, Y, N, Y, Y, Y, N], "observed in all six: getopts a: o -ax; getopts a: o -ax; echo ${OPTARG-unset}";
    /// What `getopts` does with a name that is none.
    getopts_bad_name: BadOptionName = [BadOptionName::Skipped(1), BadOptionName::Skipped(1), BadOptionName::Late(2), BadOptionName::Late(2), BadOptionName::First(1), BadOptionName::First(1), BadOptionName::Fatal], "observed in all six: getopts a 1x -a; echo $? $OPTIND; getopts :a 1x -b; echo $OPTARG";
    /// `getopts` assigns to elements of arrays.
    getopts_takes_elements: bool = [N, N, N, N, Y, Y, Y], "observed in all six: getopts a 'o[1]' -a; echo ${o[1]}";
    /// `getopts` passes over `--` before its own arguments.
    getopts_takes_dashes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: getopts -- a o -a; echo $o";
    /// `getopts` takes its first argument for options of its own, of which it has none.
    getopts_refuses_options: bool = [N, Y, N, N, Y, Y, N], "observed in all six: getopts -a o; echo $?";
    /// A name that `getopts` or `unset` is given ends before an equals sign.
    names_end_at_equals: bool = [N, N, Y, Y, N, N, N], "observed in all six: o=1; unset o=; echo $o; getopts a o=z -a; echo $o";
    /// Inside a cluster of options OPTIND already counts the word as done.
    getopts_counts_ahead: bool = [N, N, Y, Y, N, Y, N], "observed in all six: getopts ab o -ab; echo $OPTIND";
    /// `printf` computes with C's `long double`, not with its `double`; mksh has the system's.
    printf_extended: bool = [N, Y, N, N, Y, Y, N], "observed in all six: printf %.20f 0.1";
    /// `printf %d` makes the largest whole number of a real that is too large.
    printf_saturates: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: printf %d 1e19";
    /// How `printf` reads a real.
    printf_reals: PrintfReals = [PrintfReals::Start, PrintfReals::Start, PrintfReals::Start, PrintfReals::Whole, PrintfReals::Expression, PrintfReals::Start, PrintfReals::WholeOrExpression], "observed in all six: printf '%g|' 1e 1x '1 ' 0x1p3 0e1 1+1";
    /// A real too large or too small for `printf` makes its status 1.
    printf_minds_range: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: printf %g 1e5000; echo $?";
    /// `command` keeps an assignment of `export` and its kin to a read-only variable from ending the shell, with this status.
    command_holds_read_only: Option<Status> = [None, None, None, None, Some(1), Some(2), None], "observed in all six: readonly v; command export v=1; echo $?";
    /// `print` decodes its words as `$'...'` is decoded.
    print_decodes_as_quotes: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: print 'a\\qb' with every letter";
    /// `local -I` keeps the value that is outside.
    locals_can_inherit: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: v=1; f() { local -I v; echo $v; }; f";
    /// What base an integer variable has that was declared without one.
    integers_take_base: TakesBase = [TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::OfFirstNumber, TakesBase::OfLastBased], "observed in bash, ksh93, mksh and zsh: typeset -i m; m=1+16#ff; echo $m; m=8#17; echo $m";
    /// `readonly -a name` and `export -a name` make an array of a name without a value.
    export_makes_arrays: bool = [N, N, N, N, N, Y, Y], "observed in bash and zsh: readonly -a r; declare -p r";
    /// `readonly` makes variables of the function that it stands in.
    readonly_is_local: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { readonly x=1; }; x=0; f; echo $x";
    /// What `unset 'a[@]'` takes away.
    unset_all: UnsetAll = [UnsetAll::Variable, UnsetAll::Elements, UnsetAll::Variable, UnsetAll::Variable, UnsetAll::Nothing, UnsetAll::Fatal, UnsetAll::Value], "observed in bash, ksh93 and zsh: a=(1 2); unset 'a[@]'; echo ${#a[@]}; typeset -A h; h[k]=v; unset 'h[@]'; echo ${#h[@]}";
    /// An indexed array cannot become an associative one, nor the other way round.
    arrays_keep_their_kind: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -a a; declare -A a; echo $?";
    /// `set -E` lets functions inherit the action for ERR.
    errtrace_option: bool = [N, Y, N, Y, N, N, N], "observed in all six: set -E; echo $?";
    /// `set -T` lets functions inherit the actions for DEBUG and RETURN.
    functrace_option: bool = [N, Y, N, N, N, N, N], "observed in all six: set -T; echo $?";
    /// The options without a letter that are on at the start.
    first_names: &'static str = ["", "interactive-comments", "", "", "backslashctrl log multiline viraw", "emacs inherit-xtrace nohup vi-tabcomplete", "nohashdirs"], "observed in bash, ksh93 and mksh: set -o";
    /// `kill` knows signals in capitals only.
    signals_in_capitals: bool = [Y, N, N, N, N, Y, Y], "observed in all six: kill -usr1 $$";
    /// How much of SIG `kill` takes before the name of a signal.
    signal_prefix: usize = [0, 3, 0, 3, 3, 3, 3], "observed in all six: kill -SIGINT $$";
    /// `kill -l` tells the numbers of names.
    kill_tells_numbers: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: kill -l INT";
    /// `test -t` asks about descriptor 1.
    test_terminal_alone: bool = [N, N, N, N, Y, N, Y], "observed in all six: test -t >/dev/null; echo $?";
    /// `set -s` sorts the parameters.
    set_sorts: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -s -- c a b; echo $1";
    /// How `typeset -p` tells variables.
    told_variables: Told = [Told::Nothing, Told::Declare, Told::Nothing, Told::Nothing, Told::Bare, Told::Elements, Told::Lists], "observed in all six: x='a b'; a=(1 2); typeset -p x a";
    /// The status of `typeset -p` for a name that no variable has.
    untold_variable_status: Status = [0, 1, 0, 0, 0, 0, 1], "observed in all six: typeset -p nosuch; echo $?";
    /// How `type` words what a name stands for.
    type_words: TypeWords = [TYPE_WORDS[0], TYPE_WORDS[1], TYPE_WORDS[2], TYPE_WORDS[3], TYPE_WORDS[4], TYPE_WORDS[5], TYPE_WORDS[6]], "observed in all six: type echo export if f label nosuch, also of an alias";
    /// `type -p` tells the path alone.
    type_tells_paths: bool = [N, Y, N, Y, Y, N, N], "observed in all six: type -p label";
    /// The option letters of `whence`.
    whence_letters: &'static str = ["", "", "", "", "afpPtqv", "pv", "acfmpsSvwx:"], "observed in ksh93, mksh and zsh with each letter";
    /// `alias` alone lists what the script has defined, sorted by name.
    alias_list_is_known: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: alias x=1 y=2; alias";
    /// `typeset -p` tells variables that have no value.
    tells_empty_variables: bool = [N, Y, N, N, N, N, Y], "observed in all six: typeset u; typeset -p u";
    /// Whether `. file` finds a file in the folder that the shell is in.
    dot_looks_here: LooksHere = [LooksHere::Never, LooksHere::Last, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Never], "observed in all six: echo 'echo hi' > lib; . lib";
    /// Whether `source file` finds a file in the folder that the shell is in.
    source_looks_here: LooksHere = [LooksHere::Never, LooksHere::Last, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Last, LooksHere::First], "observed in all six: echo 'echo hi' > lib; source lib";
    /// A file that `source` cannot read does not end the shell.
    source_failure_is_no_end: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: source ./nosuch; echo after";
    /// `.` of a folder reads nothing.
    dot_reads_folders: bool = [N, N, Y, Y, N, Y, Y], "observed in all six: . ./combs; echo $?";
    /// `$0` is the file while `.` carries it out.
    dot_sets_zero: bool = [N, N, N, N, N, N, Y], "observed in all six: echo 'echo $0' > lib; . ./lib";
    /// `break` in a file leaves a loop around the `.`.
    dot_is_inside_loops: bool = [Y, Y, Y, Y, Y, N, N], "observed in all six: echo break > lib; for i in 1 2; do . ./lib; done";
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
    /// `set +` lists the names of all variables.
    set_plus_lists_names: bool = [N, N, N, N, N, N, Y], "observed in all six: set +";
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
    /// A variable of a function is exported if the one that it hides is.
    locals_inherit_export: bool = [N, Y, N, Y, N, N, N], "observed in all six: export v=1; f() { local v=2; env; }; f";
    /// A variable of a function that is not exported hides none from programs.
    programs_see_hidden_exports: bool = [N, N, N, N, N, Y, N], "observed in all six: export v=1; f() { local v=2; env; }; f";
    /// A variable of a function stays declared when `unset` has taken its value away.
    unset_locals_stay: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: f() { local v=1; unset v; typeset -p v; }; f";
    /// The function `chpwd` is called when the shell has gone to another folder.
    folder_hook: bool = [N, N, N, N, N, N, Y], "observed in all six: chpwd() { echo $PWD; }; cd combs";
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
    /// An unknown name behind `set -o` ends the shell.
    unknown_long_option_is_fatal: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: set -o nosuch; echo after";
    /// `set +B` switches brace expansion off.
    set_braces: bool = [N, Y, N, N, Y, N, N], "observed in all six: set +B; echo {a,b}";
    /// The status of `printf` after a conversion that it does not know.
    bad_conversion_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: printf %y; echo $?";
    /// `%b` of `printf` may have a width and a precision.
    printf_fills_escapes: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: printf '%5b|' x";
    /// A file that is not there is older than one that is, for `-nt` and `-ot`.
    missing_files_are_old: bool = [N, Y, N, N, Y, Y, N], "observed in all six: test lid -nt nosuch; echo $?";
    /// Of three words with `-a` or `-o` in the middle, `test` asks only whether the others are empty, also
    /// where the first is an operator.
    test_connects_three: bool = [Y, Y, N, N, N, Y, Y], "observed in all six: test -f -a -f; test -n -o ''";
    /// The length modifiers of C that `printf` passes over.
    printf_lengths: &'static str = ["", "hljztL", "", "hlzL", "hljztL", "", "hlL"], "observed in all six: printf '%ld|' 1, and %hd %hhd %jd %zd %td %qd %Ld";
    /// `printf` passes over one length modifier at most.
    printf_takes_one_length: bool = [N, N, N, N, N, N, Y], "observed in all six: printf '%lld|' 1";
    /// `printf` has `%F`.
    printf_upper_f: bool = [Y, Y, Y, N, Y, N, N], "observed in all six: printf '%F|' 3";
    /// Something may stand between the signs of `%%`.
    printf_percent_is_converted: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%5%|'";
    /// `%n` of `printf` stores how many bytes there were before it.
    printf_tells_length: bool = [N, Y, N, N, Y, N, Y], "observed in all six: printf 'abc%n' x; echo $x";
    /// An empty number is a mistake for `printf`.
    printf_minds_empty: bool = [N, N, N, Y, N, N, N], "observed in all six: printf %d ''; echo $?";
    /// `printf` takes the digits before what is no digit.
    printf_partial_numbers: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: printf %d 1x";
    /// `test` knows `==`.
    test_double_equals: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: [ a == a ]";
    /// `read` without a name is a mistake.
    read_needs_name: bool = [Y, N, Y, N, N, N, N], "observed in all six: read; echo $?";
    /// `getopts` makes OPTARG empty for an option without a value; otherwise it is unset.
    getopts_empties_value: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts a o -a; echo ${OPTARG-unset}";
    /// The status of `let` without an expression.
    let_nothing_status: Status = [1, 1, 1, 2, 2, 1, 1], "observed in all six: let; echo $?";
    /// `local` takes options.
    local_options_letters: bool = [N, Y, N, N, N, Y, Y], "observed in all six: f() { local -r x=1; }; f";
    /// What the numbers of `test` are.
    test_numbers: TestNumbers = [TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Expressions, TestNumbers::Expressions, TestNumbers::Leading], "observed in all six: x=3; [ x -eq 3 ]; [ 1 -eq '1 ' ]; [ '' -eq 0 ]";
    /// An attribute changes all elements that an array has already.
    attributes_change_elements: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: a=(x y); typeset -u a; echo ${a[@]}";
    /// `typeset -a` makes the value that a variable has its first element; otherwise the value is lost.
    texts_become_elements: bool = [Y, Y, Y, Y, Y, Y, N], "observed in bash, ksh93, mksh and zsh: x=5; typeset -a x; echo ${x[@]}";
    /// An index in a text ends at the first bracket that closes; behind it there is nothing.
    index_ends_at_bracket: bool = [N, Y, N, N, Y, N, N], "observed in all six: k='a]b'; unset \"d[$k]\"";
    /// `declare -c` keeps a value with one capital at its start.
    capital_attribute: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -c x=ab; echo $x";
    /// `declare -a a='(1 2)'` reads the text as a list.
    list_texts: ListTexts = [ListTexts::Texts, ListTexts::Lists, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Mistakes], "observed in all six: v='(1 2)'; typeset -a a=\"$v\"";
    /// `unset 'x[0]'` takes a variable away that is no array.
    unset_first_element_of_text: bool = [N, Y, N, N, Y, Y, N], "observed in all six: x=a; unset 'x[0]'; echo ${x-unset}";
    /// There are associative arrays.
    associative_arrays: bool = [N, Y, N, N, Y, N, Y], "observed in all six: typeset -A m; m[k]=v; m[j]=w; echo ${m[k]}";
    /// `set -` takes the positional parameters away.
    set_dash_clears: bool = [N, N, N, N, N, N, Y], "observed in all six: set -; echo $#";
    /// A lone dash ends the options of `echo`.
    echo_takes_dash: bool = [N, N, N, N, N, N, Y], "observed in all six: echo - a";
    /// `getopts` leaves OPTIND at a word until it comes back for the next one, and does not touch the variable at the end.
    getopts_is_late: bool = [N, N, N, N, N, N, Y], "observed in all six: getopts a o -a; echo $OPTIND";
    /// `set -A name --` keeps the dashes.
    set_array_keeps_dashes: bool = [N, N, N, N, N, N, Y], "observed in all six: set -A x -- a; echo ${x[1]}";
    /// A declaration without a value makes the variable empty.
    declaration_makes_empty: bool = [N, N, N, N, N, N, Y], "observed in all six: declare y; echo ${y-unset}";
    /// What becomes of escaped characters where `read` ends a line and its last field.
    read_escaped_ends: EscapedEnds = [EscapedEnds::Kept, EscapedEnds::LostBehindOthers, EscapedEnds::PassedOver, EscapedEnds::Forgotten, EscapedEnds::Lost, EscapedEnds::OneIsLost, EscapedEnds::Lost], "observed in all six: read x y with 'a b \\ ', 'a b\\ ', 'a b c\\ ', 'a b \\c', and IFS=: with 'a:b:\\:'";
    /// `read` keeps a separator at the end of the last field.
    read_keeps_last_separator: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=:; read x <<< a:";
    /// The numbers of `printf` are arithmetic expressions.
    printf_evaluates: bool = [N, N, N, N, Y, N, Y], "observed in all six: printf %d abc; echo $?";
    /// An unknown option of `typeset` and its kin ends the shell.
    typeset_option_is_fatal: bool = [Y, N, Y, Y, Y, N, N], "observed in all six: typeset -Q x; echo after";
    /// An unknown option of `export` ends the shell.
    export_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: export -Q x; echo after";
    /// `command` carries out programs only.
    command_is_for_programs: bool = [N, N, N, N, N, N, Y], "observed in all six: command command echo a";
    /// How `%q` of `printf` quotes.
    printf_quoting: PrintfQuoting = [PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Quotes, PrintfQuoting::Backslashes, PrintfQuoting::BackslashesAlways], "observed: printf '%q' 'a b'";
    /// The widths of `printf` count characters.
    printf_counts_characters: bool = [N, N, N, N, N, N, Y], "observed with LANG=C.UTF-8: printf '%5s' with a two-byte letter";
    /// A declaration utility declares the variable that was assigned before it.
    declarations_take_temporary: bool = [N, Y, N, N, Y, N, N], "observed in all six: z=y typeset z; echo $z";
    /// `declare -g` means the variable outside of all functions.
    global_is_outermost: bool = [N, Y, N, N, N, N, N], "observed in all six: g() { typeset -g v=1; }; f() { typeset v; g; echo $v; }; f";
    /// Declaration utilities take `name+=value`.
    declarations_append: bool = [N, Y, N, N, N, Y, N], "observed in all six: a=1; export a+=4";
    /// What `\c` does in the text of `echo`.
    echo_end: EchoEnd = [EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::StopsBehindBlank, EchoEnd::DropsNewline, EchoEnd::Stops], "observed in all six: echo -e 'a\\cb' c";
    /// The option letters of `export` and `readonly`.
    export_letters: &'static str = ["p", "aAfnp", "p", "np", "p", "p", "aAfE.F.gHhi.klL.mpR.tTUuZ."], "observed in all six: export -n x=1";
    /// What `unset` without a name does.
    unset_nothing: Outside = [Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Fatal, Outside::Allowed, Outside::Fails], "observed in all six: unset; echo $?";
    /// `test` knows `<` and `>`.
    test_orders: bool = [N, Y, Y, Y, Y, Y, N], "observed in all six: [ a \\< b ]";
    /// Which mistakes in the text of `eval` end only that.
    eval_holds: Holds = [Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::ButUsage, Holds::Nothing, Holds::All], "observed in all six: eval 'echo ~nosuch'; echo after; eval 'shift 9'; echo after";
    /// Which mistakes in a file that `.` carries out end only that.
    file_holds: Holds = [Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::ButUsage, Holds::All, Holds::All], "observed in all six: a file with echo $((1/0)), or with shift 9; . ./file; echo after";
    /// A syntax error in a file that `.` carries out ends only that.
    file_holds_syntax_errors: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: a file with fi; . ./file; echo after";
    /// The status of `.` for a file with a mistake, where it is not that of the mistake.
    file_mistake_status: Option<Status> = [None, None, None, None, None, None, Some(126)], "observed in all six: a file with echo $((1/0)); . ./file; echo $?";
    /// `command` keeps every mistake of a special built-in utility from ending the shell.
    command_holds_mistakes: bool = [N, N, Y, Y, N, N, N], "observed in all six: command eval ': ${x?}'; echo $?";
    /// The options of `alias`.
    alias_letters: &'static str = ["", "p", "", "", "ptx", "dprtUx", "gmrsL"], "observed in all six: alias -g v=a; echo $?; alias v";
    /// `alias` says in its output that a name is no alias.
    alias_tells_absence: bool = [N, N, N, N, N, Y, N], "observed in all six: x=$(alias nosuch)";
    /// `alias` takes `name=value` as declaration utilities do.
    aliases_are_declared: bool = [N, Y, Y, Y, N, N, N], "observed in all six: x='a b'; alias v=$x w=~; alias v w";
    /// `break` outside a loop does not look at its operand.
    break_looks_for_loops_first: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { break x; echo b; }; f";
    } };
}
pub(in crate::dialect) use utilities_rows;
