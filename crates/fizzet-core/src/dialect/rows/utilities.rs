//! The rows of the table about what other built-in utilities do.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! utilities_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// The options of `jobs`.
    jobs_letters: &'static str = ["lp", "lnprsx", "lp", "lp", "lnp", "lnp", "dlprsZ"], "observed in all six: jobs -Q; echo $?; jobs -p; echo $?";
    /// `alias -d` gives folders names, which stand behind a tilde.
    aliases_name_folders: bool = [N, N, N, N, N, Y, N], "observed in mksh: hash -d h=/hives; echo ~h/one; alias -d; unalias -d h; echo ~h";
    /// The options of `hash`, where others are mistakes.
    hash_letters: Option<&'static str> = [Some("r"), Some("rldp:t"), Some("r"), Some("r"), Some("rpt"), None, Some("rfdmLv")], "observed in all six: hash -Q; echo $?; hash -r; echo $?";
    /// The options of `wait`, where others are mistakes.
    wait_letters: Option<&'static str> = [Some(""), Some("fnp:"), Some(""), Some("n"), Some(""), Some(""), None], "observed in all six: wait -Q; echo $?; wait -1; echo $?";
    /// How long the status of a command in the background is known that was waited for.
    waited_jobs: WaitedJobs = [WaitedJobs::Forgotten, WaitedJobs::Kept, WaitedJobs::UntilPlaceIsNeeded, WaitedJobs::UntilPlaceIsNeeded, WaitedJobs::Forgotten, WaitedJobs::Forgotten, WaitedJobs::Forgotten], "observed in all six: f() { return 3; }; f & a=$!; wait $a; wait $a; echo $?";
    /// What `wait` without operands forgets.
    forgotten_jobs: ForgottenJobs = [ForgottenJobs::All, ForgottenJobs::All, ForgottenJobs::NoPlaces, ForgottenJobs::NoPlaces, ForgottenJobs::None, ForgottenJobs::Latest, ForgottenJobs::None], "observed in all six: f() { sleep 1; return $1; }; f 3 & a=$!; f 4 & b=$!; wait; wait $a; echo $?; wait $b; echo $?";
    /// `enable` without names lists the utilities as calls of itself.
    enable_lists_calls: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: enable -n test; enable -n; enable -s";
    /// How `kill -l` lists all signals.
    signal_list: SignalList = [SignalList::Open, SignalList::Columns, SignalList::Lines, SignalList::Numbered, SignalList::OldNames, SignalList::Described, SignalList::OneLine], "observed in all six: kill -l";
    /// The signs that the number of a process may have for `wait`.
    wait_signs: &'static str = ["+", "", "+", "", "+-", "+-", "+-"], "observed in all six: wait +1; echo $?; wait -- -1; echo $?";
    /// The status of `jobs`, `hash` and `wait` with an option that they do not have.
    jobs_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: jobs -Q; echo $?; wait -Q; echo $?";
    /// The status of `command -v` without a name.
    command_nothing_status: Status = [0, 0, 0, 0, 2, 0, 1], "observed in all six: command -v; echo $?";
    /// A command of the name `..` is found in the folders of PATH, and cannot be executed.
    folders_are_found: bool = [N, N, N, N, Y, Y, Y], "observed in all six: ..; echo $?; command ..; echo $?";
    /// `eval` does nothing when its first word is empty.
    eval_ends_at_empty_word: bool = [N, N, N, N, Y, N, N], "observed in all six: eval '' 'echo a'";
    /// `command` forgives `break`, `exit` and their like a word that is no number, and too many of them.
    command_forgives_numbers: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: for i in a b; do command break x; echo $?; done; echo after";
    /// `declare`, `export` and `readonly` mark functions.
    functions_have_marks: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: f() { :; }; readonly -f f; f() { echo b; }; f";
    /// A file that `.` reads is among the functions that are being called, as `source`.
    files_are_calls: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: echo 'echo ${FUNCNAME[@]}' >f; . ./f";
    /// The status of a `cd` that fails.
    folder_failure_status: Status = [1, 1, 2, 2, 1, 2, 1], "observed in all six: cd nosuch; echo $?";
    /// The status of `command -v` and `type` for an unknown name.
    unknown_name_status: Status = [1, 1, 127, 127, 1, 1, 1], "observed in all six: command -v nosuch; echo $?";
    /// How many digits `umask` prints.
    mask_width: usize = [4, 4, 4, 4, 4, 3, 3], "observed in all six: umask";
    /// A file that `.` cannot read ends the shell.
    dot_failure_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: . ./nosuch; echo after";
    /// `. file a b` makes a and b the positional parameters while it runs.
    dot_takes_arguments: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: a file with echo $1";
    /// `break` outside a loop ends the shell.
    lone_break_is_fatal: bool = [N, N, N, N, N, N, Y], "observed in all six: break; echo after";
    /// `return` outside a function ends the shell; otherwise it is a mistake with the status 2.
    return_ends_shell: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: return; echo after";
    /// The status behind too many arguments of `exit` and the like is the one from before, unless that is 0.
    too_many_arguments_keep_status: bool = [N, Y, N, N, N, N, N], "observed in all six: (exit 3); exit 1 2, and echo $? on the next line";
    /// What too many arguments of `exit` and `return` end; nothing where they are not looked at.
    too_many_arguments_end: Option<Reach> = [None, Some(Reach::Shell), None, None, None, Some(Reach::Shell), Some(Reach::Command)], "observed in all six: exit 1 2; echo after";
    /// Before which numbers `--` may stand.
    dashes_before_numbers: DashesBefore = [DashesBefore::All, DashesBefore::All, DashesBefore::None, DashesBefore::None, DashesBefore::All, DashesBefore::Counts, DashesBefore::All], "observed in all six: (exit -- 3); echo $?; set a b; shift -- 1; for i in 1 2; do break -- 1; done";
    /// What `exit` and `return` take for a number.
    status_numbers: StatusNumbers = [StatusNumbers::Natural, StatusNumbers::Signed, StatusNumbers::Natural, StatusNumbers::Digits, StatusNumbers::Leading, StatusNumbers::Short, StatusNumbers::Expression], "observed in all six: f() { return ' 3'; }; f; echo $?, and 3x, -1, 3000000000";
    /// Which parameters that are no variables `-v` knows besides.
    asked_parameters: AskedParameters = [AskedParameters::None, AskedParameters::Positional, AskedParameters::None, AskedParameters::None, AskedParameters::None, AskedParameters::Valued, AskedParameters::All], "observed in all six: [[ -v 1 ]]; echo $?; [[ -v '#' ]]; echo $?";
    /// What ends where `eval` refuses a first argument that looks like an option.
    eval_minds_options: Option<Reach> = [None, Some(Reach::Command), None, None, Some(Reach::Shell), Some(Reach::Shell), None], "observed in all six: eval -x; echo $?";
    /// `eval` takes `--` for the end of its options.
    eval_takes_dashes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: eval -- echo a";
    /// A syntax error in the text of `eval` ends the shell.
    eval_syntax_is_fatal: bool = [Y, N, Y, Y, N, Y, N], "observed in all six: eval fi; echo after";
    /// The status of `eval` after a syntax error in its text.
    eval_syntax_status: Status = [2, 2, 2, 2, 3, 1, 1], "observed in all six: eval fi; echo $?";
    /// What `break` and `continue` take is an expression too.
    loop_counts_are_expressions: bool = [N, N, N, N, N, N, Y], "observed in all six: for i in 1 2; do break 1+0; done";
    /// `let` passes over `--`.
    let_takes_dashes: bool = [N, Y, N, N, Y, N, Y], "observed in bash, ksh93, mksh and zsh: let -- x=3; echo $? $x";
    /// `let` takes a first word with a minus for options, of which it has none.
    let_refuses_options: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: let -3; echo $?; let -n x=3; echo $?";
    /// `set -o` lists the options where more of them stand behind it: before which words it does that.
    set_o_lists_before: ListsBefore = [ListsBefore::Nothing, ListsBefore::OptionsAndNothing, ListsBefore::Nothing, ListsBefore::Nothing, ListsBefore::OptionsOrForNothing, ListsBefore::Nothing, ListsBefore::Nothing], "observed in all six: set -o -f >/dev/null; echo $-; set -o -- >/dev/null; echo $#; set -o '' >/dev/null; echo $#";
    /// What becomes of the bytes 0 in a file that `.` reads.
    dot_nuls: NulsInFile = [NulsInFile::Vanish, NulsInFile::VanishInTurn { most: 256 }, NulsInFile::Vanish, NulsInFile::Vanish, NulsInFile::Refused(3), NulsInFile::Vanish, NulsInFile::Stay], "observed in all six: printf 'ec\\0ho hi\\n' >f; . ./f; printf 'echo a\\0\\0b\\necho c\\n' >f; . ./f; and in bash with 512 and 513 bytes 0 in a row";
    /// The argument of `shift`, `exit` and their kin is an arithmetic expression.
    numerals_are_expressions: bool = [N, N, N, N, Y, Y, Y], "observed in all six: shift 1+1";
    /// An unknown option of `set` ends the shell.
    unknown_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: set -Z; echo after";
    /// A function named TRAP and a condition is the action for that condition.
    functions_are_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: TRAPUSR1() { echo $1; }; kill -USR1 $$";
    /// Escapes that the format of `printf` decodes.
    format_escapes: &'static str = ["abfnrtv\\1", "abeEfnrtv\\1xuU?\"'", "abefnrtv\\1", "abcefnrtv\\1x", "abeEfnrtv\\1xuU?\"'*^.", "abcefnrtv\\1xuU\"", "abcefnrtv\\1xuU."], "observed in all six with each letter";
    /// Escapes that `%b` of `printf` decodes.
    argument_escapes: &'static str = ["abcfnrtv\\0", "abceEfnrtv\\01xuU", "abcefnrtv\\01", "abcefnrtv\\01x", "abcEfnrtv\\0", "abcefnrtv\\01xuU\"", "abcefnrtv\\0xuU."], "observed in all six with each letter";
    /// Utilities for which a lone `-` ends the options, and a lone `+` if they take options back with that.
    lone_dash_ends_options: &'static [&'static str] = [&[], &[], &[], &[], &["typeset", "alias", "integer", "float", "functions", "nameref", "compound", "autoload"], &["export", "readonly", "typeset", "local", "alias"], &["export", "readonly", "typeset", "declare", "local", "integer", "float", "alias", "unalias", "unset", "read", "shift", "hash", "enable", "disable", "functions", "pwd", "jobs", "whence", "where", "which", "type", "autoload", "unfunction", "unhash", "umask", "dirs", "rehash", "emulate", "print"]], "observed in all six: export - v=1; typeset - v=1; alias - a=b; read - x; shift -";
    /// These utilities pass over a second dash before an option.
    options_take_second_dash: bool = [N, N, N, N, N, N, Y], "observed in zsh with each utility: typeset --i n=5; read --r v; unset --v v; typeset +-i n";
    /// The conditions whose actions a subshell has too.
    subshell_keeps_actions: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], &["ERR", "ZERR", "DEBUG"]], "observed in all six: trap 'echo e' ERR; (false); trap 'echo d' DEBUG; (:)";
    /// `shift` shortens arrays too: `shift 2 array`, and `shift -p` takes from the end.
    shift_takes_arrays: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); shift a; echo $a";
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
    /// Which mistakes a compound command with redirections, or a function that is called with some, holds.
    redirected_commands_hold: Holds = [Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::ButUsage, Holds::Nothing, Holds::Nothing], "observed in all six: { : ${z?}; } 2>/dev/null; echo after; { set -Z; } 2>/dev/null; echo after";
    /// A `select` that ends since its input has ended is a failure for `set -e` and the action for ERR.
    select_fails: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: set -e; select x in a; do :; done </dev/null; echo after";
    /// The status of a compound command whose redirections have failed is not turned round by `!`.
    failed_redirections_stay: bool = [N, Y, N, N, N, N, N], "observed in all six: ! { :; } </none/x; echo $?; ! : </none/x; echo $?";
    /// Which mistakes the last command of a pipeline holds, where the shell carries it out itself.
    last_of_pipeline_holds: Holds = [Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::Nothing, Holds::ButUsage, Holds::Nothing, Holds::Nothing], "observed in ksh93 and zsh: : | : ${z?}; echo after; : | set -Z; echo after";
    /// What `alias =text` does.
    empty_alias_names: EmptyAliasNames = [EmptyAliasNames::Unknown, EmptyAliasNames::Unknown, EmptyAliasNames::Unknown, EmptyAliasNames::Unknown, EmptyAliasNames::Passed, EmptyAliasNames::Passed, EmptyAliasNames::End], "observed in all six: alias '=x'; echo $?";
    /// How the number that `break`, `shift`, `exit` and `return` take is written, where it is no expression.
    numerals: Numerals = [Numerals::BlanksBehind(" \t\n\x0b\x0c\r"), Numerals::BlanksBehind(" \t"), Numerals::BlanksBehind(" \t\n\x0b\x0c\r"), Numerals::Digits, Numerals::BlanksBehind(""), Numerals::BlanksBehind(""), Numerals::BlanksBehind(" \t\n\x0b\x0c\r")], "observed in all six: break ' 1'; break '1 '; break +1; break $'1\n'";
    /// The status of `set -o` for a name that it does not know.
    unknown_long_option_status: Status = [2, 2, 2, 1, 2, 2, 1], "observed in all six: set -o nosuch; echo $?";
    /// `exec -a name command` looks PATH up for the name, not for the command.
    exec_seeks_given_name: bool = [N, N, N, Y, N, N, N], "observed in busybox: exec -a nosuch ls";
    /// `exec -l -a name` puts a dash before the name.
    exec_dash_before_given_name: bool = [N, Y, N, N, N, N, N], "observed in all six: exec -la x printargs";
    /// An unknown option of `exec` ends the shell.
    exec_option_is_fatal: bool = [Y, N, Y, Y, Y, N, Y], "observed in all six: exec -x true; echo after";
    /// `alias -g` makes an alias that is replaced wherever it is a word.
    global_aliases: bool = [N, N, N, N, N, N, Y], "observed in zsh: alias -g G=word, newline, echo G";
    /// `unset` takes nothing out of the arrays that tell of aliases and programs.
    tables_keep_elements: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: alias a=b; unset 'BASH_ALIASES[a]' 'aliases[a]'; alias";
    /// `disable -p` switches operators of patterns off.
    patterns_can_be_disabled: bool = [N, N, N, N, N, N, Y], "observed in zsh: disable -p '*'; [[ fg = f* ]]; echo $?";
    /// Behind an `eval` whose text ends in a backslash the next line cannot begin with a reserved word.
    last_backslash_hides_reserved: bool = [N, Y, N, N, N, N, N], "observed in bash: eval 'echo \\\\', newline, { echo a; }";
    /// A variable that `printf -v` sets ends before the first NUL.
    printed_variables_end_at_nul: bool = [Y, Y, Y, Y, Y, Y, N], "observed in bash and zsh: printf -v x 'a\\0b'; echo ${#x}";
    /// The status of a `break` whose number is none.
    loop_number_status: Status = [128, 128, 2, 2, 1, 1, 1], "observed in all six: for i in 1; do (break abc); done; x=$(for i in 1; do break abc; done); echo $?";
    /// The words that `type` calls reserved.
    reserved_words: &'static [&'static str] = [RESERVED, RESERVED_BASH, RESERVED, RESERVED_BUSYBOX, RESERVED_KSH, RESERVED_MKSH, RESERVED_ZSH], "observed in all six: type if [[ coproc end";
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
    /// The status of `kill` with a job that there is not.
    kill_no_job_status: Status = [1, 1, 2, 2, 1, 1, 1], "observed in all six: kill %1; echo $?";
    /// What ends `kill` before it has signalled all processes.
    kill_ends_at: KillEnds = [KillEnds::Never, KillEnds::Never, KillEnds::All, KillEnds::JobsFirst, KillEnds::Words, KillEnds::Never, KillEnds::Never], "observed in all six: trap 'echo got' INT; kill -INT a $$; kill -INT %9 $$; kill -INT $$ %9";
    /// What the status of `kill` tells of the processes that it could not signal.
    kill_failures: KillFailures = [KillFailures::Any, KillFailures::OnlyAll, KillFailures::Any, KillFailures::Counted, KillFailures::Any, KillFailures::Any, KillFailures::CountedInLists], "observed in all six: kill -l a b c; kill a b c; echo $?; kill -0 $$ a; echo $?";
    /// A command name that begins with `%` stands for `fg` with a job.
    job_names: JobNames = [JobNames::None, JobNames::Any, JobNames::None, JobNames::None, JobNames::None, JobNames::None, JobNames::Unquoted], "observed in all six: %1; '%1'; echo $?";
    /// The status of `.` with an option, where it has options; it has none that it knows.
    dot_option_status: Option<Status> = [Some(2), Some(2), Some(2), Some(2), Some(2), Some(1), None], "observed in all six: . -x; echo $?";
    /// An option of `.` ends the shell.
    dot_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: . -x; echo after; source -x; echo after";
    /// `shift` by more than there are parameters ends the shell.
    shift_too_many_is_fatal: bool = [Y, N, Y, N, Y, Y, N], "observed in all six: shift 5; echo after";
    /// `shift` by more than there are parameters writes a message.
    shift_too_many_is_told: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: (shift 5) 2>err; test -s err";
    /// Utilities besides `echo`, `print` and `printf` that do not mind where their output is lost; none does where nothing
    /// is named.
    output_unminded: Option<&'static [&'static str]> = [Some(&[]), Some(&["command", "kill", "ulimit"]), Some(&[]), Some(&[]), None, Some(&[]), None], "observed in all six: pwd >/dev/full; kill -l >&-; echo $?";
    /// Utilities that say nothing of an alias that there is not.
    silent_utilities: &'static [&'static str] = [&[], &[], &[], &[], &["unalias"], &["alias", "unalias"], &["alias"]], "observed in all six: alias nosuch 2>err; unalias nosuch 2>>err; test -s err";
    /// `unalias -a` minds the names behind it.
    unalias_all_minds_names: bool = [N, N, N, N, N, Y, Y], "observed in all six: unalias -a x; echo $?";
    /// `wait` writes a message about a process that there is not.
    wait_tells: bool = [Y, Y, N, N, N, N, Y], "observed in all six: wait 99999 2>err; test -s err";
    /// `break` outside loops writes a message.
    lone_break_is_told: bool = [N, Y, N, N, N, Y, N], "observed in all six: (break) 2>err; test -s err";
    /// `return` leaves its whole number in `$?`, not only the last byte of it.
    returns_wide_statuses: bool = [N, N, Y, N, Y, N, Y], "observed in all six: f() { return 256; }; f; echo $?";
    /// `trap` prints the commands of an action anew.
    actions_are_printed: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo  a;echo b' INT; trap";
    /// What `trap` knows besides EXIT and signals.
    trap_conditions: &'static str = ["", "DEBUG ERR RETURN", "", "ERR", "ERR DEBUG", "ERR", "ERR ZERR DEBUG"], "observed in all six: trap : DEBUG; echo $?";
    /// The status of `ulimit` for what is no number.
    ulimit_number_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: ulimit -n x; echo $?";
    /// `ulimit` without -H and -S sets the hard limit too.
    ulimit_sets_both: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: ulimit -n 64; ulimit -Hn";
    /// A word such as `-1` is no option.
    options_are_no_numbers: bool = [N, N, N, N, N, N, Y], "observed in all six: read -1 x; unset -1; pwd -1; hash -1";
    /// A word that begins with three dashes is no option.
    three_dashes_are_operands: bool = [N, N, N, N, Y, N, N], "observed in all six: pwd ---; printf ---";
    /// A failure that did not count in a function, as that of a negated command, does not count for its caller
    /// either, where nothing came behind it.
    callers_spare_failures: bool = [N, N, N, N, N, N, Y], "observed in all six: set -e; f() { ! true; }; f; echo after";
    /// How `test` reads its words.
    test_grammar: TestGrammar = [TestGrammar::Numbered, TestGrammar::Numbered, TestGrammar::Lookahead(TestLookahead::OperatorsFirst), TestGrammar::Lookahead(TestLookahead::ComparisonsFirst), TestGrammar::Passing, TestGrammar::Numbered, TestGrammar::Parsed], "observed in all six: test '(' -e ')'; test '(' -n a ')'; test '(' ! a ')'; test '(' -a ')'; [ -a -a x ]; [ ! ! -z x ]; [ -a / ]; [ x -o ]; [ -z x -o '(' ]; [ -f lid x ]; [ ! '' -o x ]; [ x -a ! ! ]";
    /// `test` asks nothing more once its answer is known.
    test_skips_known: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93 and mksh: [ x -o 1/0 -eq x ]; echo $?";
    /// In a test of three words parentheses are those that begin with one.
    test_parentheses_go_by_first_byte: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and mksh: [ '(x' a ')y' ]; echo $?";
    /// An operator with two operands is a mistake as the last of more than four words of `test`.
    test_needs_second_operand: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93 and mksh: [ x -o x -z = ]; echo $?";
    /// `-t` among more than four words of `test` takes a number only.
    test_terminal_needs_number: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and mksh: [ x -o x -o -t x ]; echo $?";
    /// The option letters of `umask`.
    umask_letters: &'static str = ["S", "Sp", "S", "S", "S", "S", "S"], "observed in all six: umask -p; echo $?";
    /// The clauses that `umask` takes.
    mask_clauses: MaskClauses = [MaskClauses::COPYING, MaskClauses::STRICT, MaskClauses::COPYING, MaskClauses::FILTERED, MaskClauses::LOOSE, MaskClauses { bare: Bare::AtEndWithWho, ..MaskClauses::COPYING }, MaskClauses::STRICT], "observed in all six: umask g=u,o=g; umask u=gX; umask g; umask ,g=r; umask g+w-x; umask +x; umask u=s; umask g=7";
    /// `umask -S mask` tells what it has set.
    new_masks_are_told: bool = [N, Y, N, N, N, N, N], "observed in all six: umask -S 022";
    /// `umask` takes one mask.
    umask_takes_one: bool = [N, N, N, N, N, N, Y], "observed in all six: umask 22 33; echo $?";
    /// The greatest number that `umask` takes, where there is one.
    umask_bound: Option<u32> = [None, Some(0o7777), None, Some(0o777), None, None, None], "observed in all six: umask 1000; echo $?; umask 10000; echo $?";
    /// `%i` without an argument is a mistake, and ends `printf`.
    printf_i_needs_argument: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%i|'; echo $?; printf '%d|'; echo $?";
    /// Any name of an alias may begin with an equals sign, if another one ends it.
    alias_names_begin_anyhow: bool = [N, N, Y, Y, N, N, N], "observed in all six: alias =x=y; echo $?; alias =x; echo $?";
    /// The status of `wait -n` with what is no process.
    wait_next_unknown_status: Status = [2, 127, 2, 2, 2, 2, 2], "observed in bash and busybox: wait -n x; echo $?";
    /// The status of `whence` without names, and of `type` with options only.
    whence_nothing_status: Option<Status> = [None, None, None, None, Some(2), None, Some(1)], "observed in all six: whence; echo $?; type -a; echo $?; type --; echo $?";
    /// The status of `umask` for what is no mask.
    umask_usage_status: Status = [1, 1, 2, 2, 1, 1, 1], "observed in all six: umask 9; echo $?";
    /// The status of `let` for what is no expression.
    let_mistake_status: Status = [1, 1, 1, 2, 1, 2, 1], "observed in all six: let 1/0; echo $?";
    /// The status of `.` for a file that cannot be read.
    dot_failure_status: Status = [2, 1, 2, 2, 1, 1, 127], "observed in all six: (. ./nosuch); echo $?";
    /// The status a shell ends with after a wrong use of a special built-in utility.
    usage_status: Status = [2, 2, 2, 2, 1, 1, 1], "observed in all six: shift x; echo $?";
    /// The flag `0` of `printf` fills the width of a whole number that has a precision too.
    printf_fills_despite_precision: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%010.3d' 5";
    /// A function cannot be exported, which has the status 1.
    functions_stay_inside: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { :; }; export -f f; echo $?";
    /// An argument of `break` or `exit` that is no number ends the shell; otherwise its status is 1.
    usage_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: break x; echo after";
    /// A number of `shift`, `return` or `continue` that is none, or none that there can be, ends the shell.
    wrong_numbers_are_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: shift x; echo after";
    /// The use of a special built-in utility with an option that it does not know ends the shell where `set -e` would,
    /// and so does `return` where there is nothing to return from; a read-only variable ends it anywhere.
    misuse_of_special_ends: bool = [N, N, N, N, N, N, N], "observed in bash: set -o posix; export -Z; echo after";
    /// The action for EXIT is carried out behind syntax errors too.
    syntax_errors_act: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: trap 'echo bye' EXIT, newline, a closing parenthesis, or an open quote";
    /// `exit` in a file that `.` carries out with arguments: the action for EXIT sees those.
    exit_keeps_file_parameters: FileParameters = [FileParameters::Restored, FileParameters::OfOutermost, FileParameters::Restored, FileParameters::Kept, FileParameters::Restored, FileParameters::Kept, FileParameters::Kept], "observed in all six, in a file and behind -c: trap 'echo $1' EXIT; . ./file own, with exit, set -- new; exit or . ./other own2 in it; the same in a function, and in parentheses";
    /// The action for EXIT of a subshell in a function sees the parameters outside of all functions.
    subshell_exit_sees_script: bool = [N, N, N, Y, N, N, N], "observed in all six: f() { (trap 'echo $1' EXIT; echo in); }; set -- out; f own";
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
    /// `exec` makes a relative path absolute.
    exec_goes_from_root: bool = [N, Y, N, N, N, N, N], "observed in all six with a script s that prints $0: exec ./s";
    /// `-nt` and `-ot` compare whole seconds.
    file_times_are_seconds: bool = [N, N, N, Y, N, N, N], "observed in all six: >f; >g; [ g -nt f ]; echo $?";
    /// What is added to the number of the signal that has ended a program, for its status.
    signal_status: Status = [128, 128, 128, 128, 256, 128, 128], "observed in all six: sh -c 'kill -9 $$'; echo $?";
    /// What `printf` makes of a character behind a quote is the value of its first byte.
    printf_codes_are_bytes: bool = [N, N, Y, Y, N, N, N], "observed in all six: printf '%d' \"'é\"";
    /// `typeset +f` lists the names of functions.
    plus_f_lists_functions: bool = [N, N, N, N, Y, Y, Y], "observed in bash, ksh93, mksh and zsh: f() { :; }; typeset +f";
    /// `whence -a` tells in words what a name is.
    whence_a_tells_in_words: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: whence -a echo";
    /// `help` complains of what it does not know.
    help_knows_topics: bool = [N, Y, N, N, N, N, N], "observed in bash and busybox: help nosuch; echo $?";
    /// `type` and `command -V` put the program that they tell of among those that were found.
    telling_finds_programs: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: type jar; hash";
    /// How `hash` tells the programs that were found.
    hash_list: HashList = [HashList::Paths, HashList::Hits, HashList::Paths, HashList::Paths, HashList::Pairs, HashList::Pairs, HashList::Pairs], "observed in all six: label; jar; hash";
    /// Functions are read from the folders of FPATH when they are called first.
    function_path: Option<FunctionPath> = [None, None, None, None, Some(FunctionPath::Strict), Some(FunctionPath::Loose), None], "observed in all six: echo 'fa() { echo $#; }' >fa; FPATH=$PWD; fa x";
    /// `autoload` names functions that are read from the folders of `fpath` when they are called.
    reads_functions: bool = [N, N, N, N, N, N, Y], "observed in zsh: fpath=(.); echo 'echo $0 $1' >f; autoload f; f x";
    /// The precision of `%c` in `printf` says how often the character is written.
    printf_repeats_characters: bool = [N, N, N, N, Y, N, N], "observed in all six: printf %.3c a";
    /// `printf` minds a whole number without an argument.
    printf_minds_missing: bool = [N, N, N, Y, N, N, N], "observed in all six: printf %d; echo $?";
    /// `%#x` in `printf` puts a prefix before 0 too.
    printf_prefixes_zero: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%#x' 0";
    /// `cd` with two words exchanges the first for the second in the path of the current folder.
    second_folder_replaces: bool = [N, N, N, N, Y, Y, Y], "observed in all six: cd combs; cd combs combs/deep; pwd";
    /// What `cd` does with PWD and OLDPWD if they are read-only.
    read_only_folders: ReadOnlyFolders = [ReadOnlyFolders::Ends, ReadOnlyFolders::Minded, ReadOnlyFolders::Ends, ReadOnlyFolders::Ends, ReadOnlyFolders::Overwritten, ReadOnlyFolders::Left, ReadOnlyFolders::Ends], "observed in all six: readonly OLDPWD; cd combs; echo $? $PWD; readonly PWD; cd combs; echo $? $PWD";
    /// The options of utilities that do nothing else with a wrong one than to complain, and the status then.
    plain_options: &'static [(&'static str, &'static str, Status)] = [&[], &[("complete", "abcdefgjkprsuvDEIA:C:F:G:P:S:W:X:o:", 2), ("compopt", "DEIo:", 2), ("help", "dms", 2), ("history", "acdnprsw0123456789", 2), ("type", "afptP", 2)], &[], &[], &[("bg", "", 2), ("builtin", "df:ls", 2), ("disown", "", 2), ("fg", "", 2), ("functions", "abfghilmnprstuxACEFHLMRSTXZ0123456789", 2), ("hash", "r", 2), ("type", "afpqtvP", 2), ("unalias", "a", 2), ("whence", "afpqtvP", 2)], &[("alias", "dprtxU", 1), ("unalias", "adt", 1), ("whence", "pv", 1)], &[("alias", "gmrsL0123456789", 1), ("bindkey", "adelmprsvADLMNR0123456789", 1), ("emulate", "lLR0123456789", 1), ("functions", "ckmstuxzMTUW0123456789", 1), ("limit", "hs0123456789", 1), ("rehash", "df0123456789", 1), ("sched", "o0123456789", 1), ("shift", "p0123456789", 1), ("type", "afmpswS0123456789", 1), ("unalias", "ams0123456789", 1), ("whence", "acfmpsvwxS0123456789", 1), ("where", "mpswxS0123456789", 1), ("which", "ampswxS0123456789", 1)]], "observed in all six with each letter";
    /// `hash -d` names folders, and a tilde with the name of a variable whose value is a path stands for that.
    folders_have_names: bool = [N, N, N, N, N, N, Y], "observed in all six: hash -d q=/a; echo ~q; x=/a; echo ~x";
    /// How the stack of `pushd` is moved through.
    folder_stack: FolderStack = [FolderStack::Rotated, FolderStack::Rotated, FolderStack::Rotated, FolderStack::Rotated, FolderStack::Rotated, FolderStack::Rotated, FolderStack::Rolled], "observed in bash and zsh: pushd combs; pushd +1; popd +1; dirs +0";
    /// Any word that begins with a bracket ends `[`.
    bracket_begins_last: bool = [N, N, Y, N, N, N, N], "observed in all six: [ a = a ]]; echo $?; [ a = a ]b; echo $?";
    /// What `!` before `break`, `continue` and `return` does.
    negated_jumps: NegatedJumps = [NegatedJumps::Kept, NegatedJumps::LoopsTurned, NegatedJumps::Kept, NegatedJumps::Turned, NegatedJumps::LoopsTurned, NegatedJumps::Kept, NegatedJumps::Turned], "observed in all six: for i in 1; do ! break; done; echo $?; f() { ! return 3; }; f; echo $?";
    /// Which subshells are outside the loops around them for `break` and `continue`.
    loops_hidden: LoopsHidden = [LoopsHidden::Never, LoopsHidden::ButSubstitutions, LoopsHidden::Never, LoopsHidden::Never, LoopsHidden::Never, LoopsHidden::Always, LoopsHidden::Never], "observed in all six: for i in 1 2; do (break; echo in); done; for i in 1 2; do echo $(break; echo in); done";
    /// A function is outside the loops of its caller for `break` and `continue`.
    functions_hide_loops: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: f() { break; }; for i in 1 2; do f; echo $i; done";
    /// A `break` or `continue` that a function ends with goes no further.
    functions_hold_breaks: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt localloops; f() { break; }; for i in 1 2; do f; echo $i; done";
    /// `cd -P` follows links also with -L behind -P.
    physical_wins: bool = [N, N, N, N, N, N, Y], "observed in all six: ln -s a/b l; cd -P -L l; pwd";
    /// With `cd -P`, the `..` that a path begins with leave the current folder by its name.
    first_dots_go_by_name: bool = [N, N, N, N, Y, N, N], "observed in all six: mkdir -p a/b; ln -s a/b l; cd l; cd -P ..; pwd";
    /// Where `cd` does not find a folder by the names in its path, links are followed.
    folder_falls_back: bool = [N, Y, N, N, N, N, Y], "observed in all six: mkdir -p a/b; ln -s a/b l; cd l; cd ../../a; pwd";
    /// A path that begins with two slashes goes on doing so.
    keeps_two_slashes: bool = [Y, Y, Y, Y, N, Y, N], "observed in all six: cd //usr; echo $PWD";
    /// It does so also without links.
    physical_keeps_two_slashes: bool = [N, Y, N, N, N, Y, N], "observed in all six: cd -P //usr; echo $PWD";
    /// What stands before `..` in the path of a folder must be a folder too.
    dot_dot_needs_folder: bool = [N, Y, N, N, Y, N, Y], "observed in all six: cd nosuch/..; echo $?";
    /// A slash stands between an entry of CDPATH and a folder also where the entry ends in one.
    folder_path_joins_with_slash: bool = [N, N, Y, Y, N, N, N], "observed in all six: CDPATH=/; cd usr; echo $PWD";
    /// A folder that the entry `.` of CDPATH leads to is told as well.
    folder_path_tells_here: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: CDPATH=.; cd combs";
    /// `cd` tells the folder that CDPATH or `-` has led it to.
    folder_path_is_told: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: CDPATH=combs; cd deep";
    /// Where the first entry of CDPATH is no folder, `cd` stays where it is, and tells that folder with a slash.
    folder_path_begins_with_folder: bool = [N, N, N, N, Y, N, N], "observed in all six: CDPATH=nosuch:/; cd usr; echo $? $PWD";
    /// A descriptor that `4>&3-` moves for a command of the shell itself stays closed behind it, if 4 was not open.
    moved_descriptors_stay_closed: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: exec 3>f; : 4>&3-; echo a >&3; echo $?";
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
    /// `wait` for a process that is there and nobody's child, or for nothing, succeeds at once.
    wait_passes_others: bool = [N, N, N, N, Y, N, N], "observed in all six: wait 1; echo $?; wait ''; echo $?; wait 0; echo $?";
    /// Bytes that the name of an alias may not hold.
    alias_names_refuse: &'static str = ["", "\"$&'()/;<>\\`| \t\n", "", "", "\"$&'()*/;<>?[\\`{|} \t\n", "\"#$&'()*/;<>?\\^`{|}~ \t\n", ""], "observed in all six: alias x?y=1; echo $? with each byte of ASCII in place of the mark";
    /// `alias` does not go on behind a bad name.
    alias_stops_at_bad_name: bool = [N, N, N, N, Y, Y, N], "observed in all six: alias 'a\"b=1' z=2; alias z";
    /// The status of `alias` is the number of unknown names before the first new alias.
    alias_counts_unknown_names: bool = [N, N, N, N, Y, N, N], "observed in all six: alias nosuch nosuch2; echo $?; alias a=b nosuch; echo $?";
    /// The options of `trap`; nothing where it has none.
    trap_letters: Option<&'static str> = [Some("p"), Some("lp"), Some(""), Some(""), Some("p"), Some(""), None], "observed in all six: trap -p INT; trap -l; trap -x";
    /// An unknown option of `trap` ends the shell.
    trap_options_are_fatal: bool = [N, N, Y, Y, Y, Y, N], "observed in all six: trap -x; echo $?";
    /// `trap -p INT` tells the action alone.
    trap_tells_action_alone: bool = [N, N, N, N, Y, N, N], "observed in bash and ksh93: trap a INT; trap -p INT";
    /// `trap` does not go on behind a condition that it does not know.
    trap_stops_at_unknown: bool = [N, N, Y, N, Y, N, Y], "observed in all six: trap a nosuch INT; trap";
    /// What a subshell has of the actions outside.
    subshell_traps: OuterTraps = [OuterTraps::Told, OuterTraps::Told, OuterTraps::Ignored, OuterTraps::ToldByLoneTrap, OuterTraps::ToldOutsidePipelines, OuterTraps::Ignored, OuterTraps::None], "observed in all six: trap a TERM; trap '' HUP; x=$(trap); (trap); trap | cat";
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
    first_condition: FirstCondition = [FirstCondition::Number, FirstCondition::KnownNumber, FirstCondition::KnownNumber, FirstCondition::Number, FirstCondition::Number, FirstCondition::Number, FirstCondition::Known], "observed in all six: trap 2 TERM; trap 65 TERM; trap INT TERM; trap";
    /// The largest number of a signal that `trap` takes.
    largest_signal: i64 = [64, 64, 64, 64, 64, 64, 33], "observed in all six: trap : 34; echo $?";
    /// The conditions of `trap` are written in capitals.
    conditions_in_capitals: bool = [N, N, N, N, N, N, Y], "observed in all six: trap : hup; echo $?";
    /// How many bytes of SIG may stand before the name of a signal.
    condition_prefix: usize = [0, 3, 0, 3, 3, 3, 3], "observed in all six: trap : SIGHUP; echo $?";
    /// The status of `.` without a file; nothing where that ends the shell.
    no_file_status: Option<Status> = [None, Some(2), Some(0), Some(2), None, None, Some(1)], "observed in all six: . ; echo $?";
    /// The status of `kill` without a process.
    kill_nothing_status: Status = [1, 2, 2, 1, 2, 1, 1], "observed in all six: kill; echo $?";
    /// `hash` tells which programs were found already.
    hash_is_table: bool = [N, Y, N, N, N, N, N], "observed in bash: hash -t ls; echo $?; ls; hash -t ls; echo $?; hash -d ls; echo $?";
    /// `hash -r` takes no names.
    hash_forgets_alone: bool = [N, N, N, N, N, N, Y], "observed in all six: hash -r ls; echo $?";
    /// `hash` knows no functions and built-in utilities.
    hash_is_for_programs: bool = [N, N, N, N, N, N, Y], "observed in all six: hash cd; echo $?";
    /// A number before `$` of an argument that there is not is a mistake, and there is no other pass for it.
    printf_positions_must_exist: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: printf '%1$s'; echo $?; printf '%2$s-%1$s|' a b c";
    /// `printf` takes an expression that lacks its last operand for what stands before, and a character that begins
    /// no expression for its code.
    printf_numbers_are_lenient: bool = [N, N, N, N, Y, N, N], "observed in ksh93u+m: printf '%d %d %d\\n' '3+' '*' '[ab]'; echo $?";
    /// A mistake in a number that is none of arithmetic ends what `printf` prints before it.
    printf_ends_at_mistakes: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: readonly r=1; printf '%d|' 5 r=3 6";
    /// `printf` takes a number with a minus for one with a sign, also where it shows it without one.
    printf_negatives_have_sign: bool = [N, N, N, Y, N, N, N], "observed in all six: printf %X -01777777777777777777777; echo $?";
    /// `printf %q` without an argument prints nothing.
    printf_quotes_nothing: bool = [N, N, N, N, Y, N, Y], "observed in bash, ksh93 and zsh: printf '[%q]'";
    /// `printf %c` shows a character, not a byte.
    printf_shows_characters: bool = [N, N, N, N, Y, N, N], "observed in all six: printf %c ä | od -c";
    /// `printf` gives up at a `*` that there is no argument for.
    printf_stars_need_arguments: bool = [N, N, N, N, Y, N, N], "observed in ksh93u+m: printf '%.*s|'; echo $?; printf '%-*s|'; echo $?";
    /// The status of `hash` for a name that it does not find.
    unknown_hash_status: Status = [1, 1, 1, 1, 0, 0, 1], "observed in all six: hash nosuch; echo $?";
    /// The status of `alias` for an unknown option; nothing where it has none and takes them for names.
    alias_usage_status: Option<Status> = [None, Some(2), None, None, Some(2), Some(1), Some(1)], "observed in all six: alias -x; echo $?";
    /// What `alias name` tells before the name, and what `alias -p name` does.
    alias_prefixes: (&'static str, &'static str) = [("", ""), ("alias ", "alias "), ("", ""), ("", ""), ("", "alias "), ("", "alias "), ("", "alias ")], "observed in all six: alias x=1; alias x; alias -p x; in zsh alias -L x";
    /// `command` keeps an assignment of `export` and its kin to a read-only variable from ending the shell, with this status.
    command_holds_read_only: Option<Status> = [None, None, None, None, Some(1), Some(2), None], "observed in all six: readonly v; command export v=1; echo $?";
    /// `exec` carries out functions and built-in utilities.
    exec_runs_builtins: bool = [N, N, N, N, N, Y, Y], "observed in all six: (exec test 1 = 2); echo $?; f() { echo in; }; (exec f)";
    /// `exec` carries out functions too where it carries out utilities.
    exec_runs_functions: bool = [N, N, N, N, N, Y, Y], "observed in mksh and zsh: f() { echo in; }; (exec f); in zsh also behind setopt posixbuiltins";
    /// `set` keeps the status of the command substitutions in its words under `set -o sh`.
    set_keeps_status: bool = [N, N, N, N, N, Y, N], "observed in ksh93 and mksh: set -o sh; set -- $(false); echo $?";
    /// `-o` of a test takes an option without a name for that of `-c`, which is on where no script is read.
    empty_option_is_text: bool = [N, N, N, N, N, Y, N], "observed in all six, in a file and behind -c: [[ -o '' ]]; echo $?; [[ -o ? ]]; echo $?";
    /// The signs before the name that `-o` of a test takes: `-` and `+` for a letter, `!` for what is off, `?` for
    /// whether there is such an option.
    option_test_signs: &'static str = ["", "", "", "", "?", "-+!?", ""], "observed in all six: [ -o -f ]; echo $?; [ -o !vi ]; echo $?; [ -o ?vi ]; echo $?";
    /// `[[ -o name ]]` has this status where there is no such option, with `!` before it too.
    unknown_option_test: Option<Status> = [None, None, None, None, None, None, Some(3)], "observed in bash, ksh93, mksh and zsh: [[ -o nosuch ]]; echo $?; [[ ! -o nosuch ]]; echo $?";
    /// Behind `exec` of a built-in utility or a function the action for EXIT is not carried out.
    exec_forgets_exit_action: bool = [N, N, N, N, N, N, Y], "observed in zsh: trap 'echo end' EXIT; exec true";
    /// `set -E` lets functions inherit the action for ERR.
    errtrace_option: bool = [N, Y, N, Y, N, N, N], "observed in all six: set -E; echo $?";
    /// `set -T` lets functions inherit the actions for DEBUG and RETURN.
    functrace_option: bool = [N, Y, N, N, N, N, N], "observed in all six: set -T; echo $?";
    /// `kill` knows signals in capitals only.
    signals_in_capitals: bool = [Y, N, N, N, N, Y, Y], "observed in all six: kill -usr1 $$";
    /// How much of SIG `kill` takes before the name of a signal.
    signal_prefix: usize = [0, 3, 0, 3, 3, 3, 3], "observed in all six: kill -SIGINT $$";
    /// `kill -l` tells the numbers of names.
    kill_tells_numbers: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: kill -l INT";
    /// `kill -l` tells one number only.
    kill_tells_one: bool = [N, N, Y, N, N, N, N], "observed in all six: kill -l 1 2";
    /// `alias` alone lists what the script has defined by the buckets of a table rather than sorted by name.
    aliases_are_in_buckets: bool = [N, N, Y, Y, N, N, N], "observed in all six: alias ef=1 de=2 cd=3; alias";
    /// Whether `. file` finds a file in the folder that the shell is in.
    dot_looks_here: LooksHere = [LooksHere::Never, LooksHere::Last, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Never], "observed in all six: echo 'echo hi' > lib; . lib";
    /// Whether `source file` finds a file in the folder that the shell is in.
    source_looks_here: LooksHere = [LooksHere::Never, LooksHere::Last, LooksHere::Never, LooksHere::Never, LooksHere::Never, LooksHere::Last, LooksHere::First], "observed in all six: echo 'echo hi' > lib; source lib";
    /// A file that `source` cannot read does not end the shell.
    source_failure_is_no_end: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: source ./nosuch; echo after";
    /// `.` finds folders on PATH too.
    dot_finds_folders: bool = [N, N, N, N, N, Y, N], "observed in all six: . .; echo $?";
    /// `.` of a folder reads nothing.
    dot_reads_folders: bool = [N, N, Y, Y, N, Y, Y], "observed in all six: . ./combs; echo $?";
    /// `$0` is the file while `.` carries it out.
    dot_sets_zero: bool = [N, N, N, N, N, N, Y], "observed in all six: echo 'echo $0' > lib; . ./lib";
    /// `break` in a file sees a loop around the `.`, which it leaves.
    dot_is_inside_loops: bool = [Y, Y, Y, Y, Y, N, N], "observed in all six: echo break > lib; for i in 1 2; do . ./lib; done";
    /// The function `chpwd` is called when the shell has gone to another folder.
    folder_hook: bool = [N, N, N, N, N, N, Y], "observed in all six: chpwd() { echo $PWD; }; cd combs";
    /// An unknown name behind `set -o` ends the shell.
    unknown_long_option_is_fatal: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: set -o nosuch; echo after";
    /// The status of `printf` after a conversion that it does not know.
    bad_conversion_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: printf %y; echo $?";
    /// A file that is not there is older than one that is, for `-nt` and `-ot`.
    missing_files_are_old: bool = [N, Y, N, N, Y, Y, N], "observed in all six: test lid -nt nosuch; echo $?";
    /// The status of `let` without an expression.
    let_nothing_status: Status = [1, 1, 1, 2, 2, 1, 1], "observed in all six: let; echo $?";
    /// `command` carries out programs only.
    command_is_for_programs: bool = [N, N, N, N, N, N, Y], "observed in all six: command command echo a";
    /// `exec -c` leaves the program no environment at all, not even its own path.
    bare_means_nothing: bool = [N, Y, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: exec -c env";
    /// `printf -v` assigns nothing where something in the format is no conversion.
    printf_stores_whole_formats: bool = [N, N, N, N, Y, N, Y], "observed in bash, ksh93 and zsh: v=old; printf -v v 'a%k' 1; echo $v";
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
    /// A `+` before the operands of `alias` asks for names alone.
    alias_plus_asks_names: bool = [N, N, N, N, N, Y, Y], "observed in all six: alias a=b; alias +; alias + a; echo $?";
    /// `alias -p` tells all aliases, and then the names that are no new ones.
    alias_tells_all_first: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and mksh: alias a=b; alias -p a c";
    /// `alias -p` makes no aliases: what looks like one is a name.
    alias_only_tells: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and mksh: alias -p k=3; echo $?; alias k";
    /// `alias` says in its output that a name is no alias.
    alias_tells_absence: bool = [N, N, N, N, N, Y, N], "observed in all six: x=$(alias nosuch)";
    /// `alias` takes `name=value` as declaration utilities do.
    aliases_are_declared: bool = [N, Y, Y, Y, N, N, N], "observed in all six: x='a b'; alias v=$x w=~; alias v w";
    /// `break` outside a loop does not look at its operand.
    break_looks_for_loops_first: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { break x; echo b; }; f";
    } };
}
pub(in crate::dialect) use utilities_rows;
