//! The rows of the table about how commands are carried out.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! carrying_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// What an action of `trap` does that cannot be read when it is to be carried out.
    action_mistakes: ActionMistakes = [ActionMistakes::Fatal, ActionMistakes::Held, ActionMistakes::Fatal, ActionMistakes::HeldButOfSignals, ActionMistakes::HeldButOfSignals, ActionMistakes::Fatal, ActionMistakes::Fatal], "observed in all six: trap 'echo )' ERR; false; echo after; trap 'echo )' USR1; kill -USR1 $$; echo after";
    /// `test -v 'a[@]'` asks whether any element is set.
    tests_whole_arrays: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: a=(1); [[ -v a[@] ]]; echo $?";
    /// FUNCNEST bounds how deep functions call each other.
    function_nesting: Nesting = [Nesting::Unbounded, Nesting::IfPositive, Nesting::Unbounded, Nesting::Unbounded, Nesting::Unbounded, Nesting::Unbounded, Nesting::From(500)], "observed in all six: FUNCNEST=5; f() { f; }; f; echo after";
    /// How lines are counted for LINENO.
    line_numbers: LineNumbers = [LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_signals: EvalLines::Own, at_exit: EvalLines::Own, kept_by_exit: N, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::On, in_actions: EvalLines::On, at_signals: EvalLines::Own, at_exit: EvalLines::Own, kept_by_exit: N, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_signals: EvalLines::Own, at_exit: EvalLines::Own, kept_by_exit: N, functions_count_anew: N }, LineNumbers { first_of_text: Some(0), in_eval: EvalLines::On, in_actions: EvalLines::Same, at_signals: EvalLines::Same, at_exit: EvalLines::Same, kept_by_exit: N, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_signals: EvalLines::On, at_exit: EvalLines::Own, kept_by_exit: N, functions_count_anew: N }, LineNumbers { first_of_text: None, in_eval: EvalLines::Same, in_actions: EvalLines::Same, at_signals: EvalLines::Same, at_exit: EvalLines::Same, kept_by_exit: Y, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::Same, at_signals: EvalLines::Same, at_exit: EvalLines::SameIfAsked, kept_by_exit: N, functions_count_anew: Y }], "observed in all six: echo $LINENO in a file, in -c, in functions, in eval, in the actions of trap";
    /// The action for ERR is carried out twice where the last command of a pipeline is a subshell.
    piped_subshells_fail_twice: bool = [N, Y, N, N, Y, N, N], "observed in all six: trap 'echo e' ERR; : | (exit 3)";
    /// A function that is a process of its own and that `return` leaves has failed for ERR.
    returns_of_processes_fail: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo e' ERR; f() { return 3; }; f | :; f &";
    /// Which line a command is on that is written on several.
    lines_of_commands: LinesOfCommands = [LinesOfCommands::First, LinesOfCommands::BehindSecondToken, LinesOfCommands::First, LinesOfCommands::BehindFirstToken, LinesOfCommands::First, LinesOfCommands::BehindFirstToken, LinesOfCommands::First], "observed in all six: a command with a newline in its quoted second word, echo $LINENO behind it; trap 'echo $LINENO' DEBUG before [[ ]] and (( )) of several lines";
    /// The list of the functions that are being called ends in `main` in a script.
    names_main: bool = [N, Y, N, N, N, N, N], "observed: f() { echo ${FUNCNAME[@]}; }; f in a file and in -c";
    /// The statuses of the latest pipeline at the start.
    first_statuses: &'static [Status] = [&[], &[], &[], &[], &[], &[0], &[0]], "observed: echo ${PIPESTATUS[@]}, $pipestatus";
    /// Commands that are alone in a pipeline and change its list of statuses.
    lone_statuses: LoneStatuses = [LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::ButFunctions, LoneStatuses::ButTests], "observed in bash, mksh and zsh: false | true in groups, functions, subshells; [[ a = b ]]; ((0))";
    /// The words of `for`, `case` and `[[`, but not those of `((`, are on the line of the command before.
    only_simple_commands_have_lines: bool = [N, N, N, N, N, Y, N], "observed in all six: newline, for i in $LINENO; do echo $i; done";
    /// A local variable without a value is empty rather than unset.
    local_is_empty: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { local x; echo ${x-unset}; }; f";
    /// The option letters of `read`.
    read_letters: &'static str = ["r", "a:d:ei:n:N:p:rst:u:", "p:r", "d:n:p:rst:u:", "aACSd:n:N:prst:u:v", "Aad:N:n:prst:u,", "Aceik.lnpqrsu:t.d:E"], "observed in all six with each letter";
    /// The options of `read` that write what is read, and those that write it and assign nothing.
    read_telling_letters: [u8; 2] = [[0, 0], [0, 0], [0, 0], [0, 0], [0, 0], [0, 0], [b'E', b'e']], "observed in zsh: read -e a b <<<'x y z'; read -E a b";
    /// The options of `read` that are for completion alone: nothing is read.
    read_completion_letters: &'static str = ["", "", "", "", "", "", "cl"], "observed in zsh: read -c x; echo $?; read -ln x";
    /// The index of the first element of an array.
    first_index: i64 = [0, 0, 0, 0, 0, 0, 1], "observed: a=(x y); echo ${a[1]}";
    /// The status of a command whose input file does not exist.
    redirection_failure_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: true <nosuch; echo $?";
    /// `=~` leaves the match and its place in MATCH, MBEGIN and MEND, and those of the groups in arrays.
    match_has_places: bool = [N, N, N, N, N, N, Y], "observed in zsh: [[ abc =~ (b)c ]]; echo $MATCH $MBEGIN $MEND $match $mbegin $mend";
    /// The array that `=~` fills with the match and its groups.
    match_array: &'static str = ["", "BASH_REMATCH", "", "", ".sh.match", "", ""], "observed: [[ abc =~ b ]]; echo ${BASH_REMATCH[0]}";
    /// What an assignment of a read-only variable before a command ends; nothing where it is passed over.
    read_only_before_command: Option<Reach> = [Some(Reach::Shell), None, Some(Reach::Shell), Some(Reach::Shell), Some(Reach::Command), Some(Reach::Shell), Some(Reach::Shell)], "observed in all six: readonly x=1; x=2 label a; label after";
    /// A copy of a descriptor onto itself does nothing, and succeeds even if it is closed.
    copies_onto_themselves_are_nothing: bool = [N, Y, Y, Y, N, N, N], "observed in all six: : 5>&5; echo $?";
    /// The dash that closes a descriptor other than the standard output must be written plainly.
    closing_dash_is_written_plainly: bool = [N, N, N, Y, N, N, N], "observed in all six: x=-; echo a 2>&$x; echo b 2>&'-'";
    /// Before a call of a function that ends the shell.
    read_only_before_call_ends_shell: bool = [N, N, N, N, Y, N, N], "observed in all six: readonly x=1; function f { :; }; x=2 f; label after";
    /// The status of `select` at the end of the input; it stays what it was where there is none.
    select_end_status: Option<Status> = [Some(1), Some(1), Some(1), Some(1), Some(1), Some(1), None], "observed in bash, ksh93, mksh and zsh: (exit 4); select x in a; do :; done </dev/null; echo $?";
    /// `select` with nothing to choose from fails.
    empty_select_fails: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: select x in; do :; done; echo $?";
    /// A mistake in an expansion or assignment ends only the line it is on.
    mistakes_end_line: bool = [N, Y, N, N, N, N, N], "observed in all six: two lines, label $((1/0)); label after, then label end";
    /// What a mistake in the numbers of a slice ends, where that is not what other mistakes end.
    slice_mistakes_end: Option<Reach> = [None, Some(Reach::Line), None, None, None, None, None], "observed in bash: set -o posix; two lines, x=abc; label ${x:1/0}; label after, then label end; the same with $((1/0))";
    /// Assignments before a function stay behind it.
    functions_keep_assignments: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt posixbuiltins; f() { :; }; x=1; x=2 f; echo $x";
    /// The status of a mistake that ends a line of a text that `eval` or its kin carry out.
    inner_mistake_status: Option<Status> = [None, Some(1), None, None, None, None, None], "observed in bash: readonly x; eval ': ${x=1}'; echo $?; the same without eval, in a file";
    /// The status where a subshell cannot carry out its own redirections, if it is not that of other commands.
    unredirected_subshell_status: Option<Status> = [None, None, None, Some(2), None, None, None], "observed in all six: (label a) </nosuch; label $?; { label a; } </nosuch; label $?";
    /// What the word of a redirection may become.
    redirect_words: RedirectWords = [RedirectWords::Text, RedirectWords::OneField, RedirectWords::Text, RedirectWords::Text, RedirectWords::Text, RedirectWords::Text, RedirectWords::FileEach], "observed in all six: x='a b'; echo >$x; set -- a b; echo >\"$@\"; echo >l*; echo >{a,b}";
    /// A descriptor that is redirected more than once leads to all the files.
    redirections_add_up: bool = [N, N, N, N, N, N, Y], "observed in all six: echo x >a >b; cat <a <b; : >c >&1";
    /// In a backquoted command what cannot be read is found when it is carried out, and has this status; nothing: it ends the shell there.
    backquotes_read_late: ReadLate = [ReadLate::No, ReadLate::Status(2), ReadLate::Rest, ReadLate::Rest, ReadLate::Fatal, ReadLate::Fatal, ReadLate::Fatal], "observed in all six: echo `(`; echo `echo a; fi`; if false; then echo `(`; fi; echo after";
    /// A mistake in an assignment before a program or an ordinary utility ends no more than that command.
    assignment_mistakes_end_command: bool = [N, N, N, N, Y, N, N], "observed in all six: x=${z?} ls; echo after; x=${z?} true; echo after";
    /// What `((...))` answers counts for `set -e` and the action for ERR.
    arithmetic_commands_fail: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: set -e; ((0)); echo after";
    /// Whether a word of `export` and its kin is an assignment is decided when the command name has been expanded.
    late_declarations: bool = [N, N, Y, Y, N, N, N], "observed: c=export; x='a b'; $c y=$x; in zsh $c y={a,b}";
    /// The name and value of `name=value` arguments of `export` and its kin are read as assignments.
    declarations: bool = [Y, Y, Y, Y, Y, Y, Y], "observed: x='a b'; export y=$x";
    /// The names of the files that stand for process substitutions: the folder, the number of the first,
    /// and how far it is to the next.
    process_files: (&'static str, u32, i32) = [("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 3, 1), ("/dev/fd/", 63, -1), ("/proc/self/fd/", 12, 1)], "observed in bash, ksh93 and zsh: echo <(:) <(:)";
    /// Variables can be arrays.
    arrays: bool = [N, Y, N, N, Y, Y, Y], "observed: a=(x y)";
    /// An exported ARGV0 is the first element of the vector of programs.
    argv_zero_variable: bool = [N, N, N, N, N, N, Y], "observed in all six: ARGV0=x printargs";
    /// `noglob` and `nocorrect` before a command.
    precommand_words: bool = [N, N, N, N, N, N, Y], "observed in all six: noglob echo *";
    /// `name[@]=value` sets all elements; of an associative array it is an error.
    all_elements_assign: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); a[@]=k; echo $a";
    /// A file that cannot be made leaves its status before the mistake ends a substitution.
    failed_files_leave_status: bool = [N, N, N, N, Y, N, N], "observed in all six: echo \"$(: >/nosuch/x)\" $?; echo \"$(: </nosuch/x)\" $?";
    /// A mistake in a `((...))` that is all of a command substitution ends the shell.
    lone_arithmetic_ends_shell: bool = [N, N, N, N, Y, N, N], "observed in all six: x=$( ((1/0)) ); echo after; x=$(:; ((1/0))); echo after";
    /// How lines count in a command substitution.
    inner_lines: InnerLines = [InnerLines::OfSource, InnerLines::Printed, InnerLines::OfSource, InnerLines::OfSource, InnerLines::OnWithoutContinued, InnerLines::None, InnerLines::OnAsWritten], "observed in all six: LINENO in a substitution of several lines with comments in it";
    /// Which command substitutions are read once more when they are carried out, with the aliases of then.
    substitutions_read_anew: ReadAnew = [ReadAnew::BackquotesByLine, ReadAnew::ByLine, ReadAnew::No, ReadAnew::No, ReadAnew::Whole, ReadAnew::No, ReadAnew::Whole], "observed in all six: alias l=label, newline, l $(l a); x=$(alias b='echo B', newline, b)";
    /// A `for` or `select` whose variable is read-only is not carried out, and the shell goes on.
    read_only_loops_go_on: bool = [N, Y, N, N, N, N, N], "observed in all six: readonly r; for r in a; do :; done; echo after";
    /// `select` whose variable is read-only has the status 1, and the shell goes on.
    read_only_select_goes_on: bool = [N, Y, N, N, Y, N, N], "observed: readonly r; select r in a; do :; done <<< 1; echo after";
    /// The status after an assignment to a read-only variable.
    read_only_status: Status = [2, 1, 2, 2, 1, 2, 1], "observed in all six: readonly r=1; (r=2); echo $?";
    /// `set -n` counts for the rest of its line too.
    no_exec_counts_at_once: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: set -n; echo a";
    /// Which assignments are carried out before the redirections of their command.
    assigns_before_redirecting: AssignsFirst = [AssignsFirst::Never, AssignsFirst::Always, AssignsFirst::Never, AssignsFirst::Never, AssignsFirst::InShell, AssignsFirst::Never, AssignsFirst::Never], "observed in all six: x=1 >nosuch/f; echo $x; n=1; x=$((n+=1)) /bin/true >f$n; x=2 : >f$x; echo f*";
    /// Where the redirections of a subshell are expanded.
    subshells_redirect: SubshellsRedirect = [SubshellsRedirect::Outside, SubshellsRedirect::Inside, SubshellsRedirect::Documents, SubshellsRedirect::Documents, SubshellsRedirect::Outside, SubshellsRedirect::Outside, SubshellsRedirect::Inside], "observed in all six: n=1; (echo $n) >f$((n+=1)); echo $n f?; (:) >$((1/0)); echo after";
    /// What of a program is made in a process of its own, so that changes of variables in those words are lost.
    programs_made_apart: Apart = [Apart::Nothing, Apart::Redirections, Apart::Nothing, Apart::Nothing, Apart::Nothing, Apart::Nothing, Apart::All], "observed in all six: n=1; /bin/true >f$((n=4)); echo $n; x=$((n=5)) /bin/true; echo $n";
    /// `$(<file)` is what the file holds.
    file_substitution: FileSubstitution = [FileSubstitution::No, FileSubstitution::Alone, FileSubstitution::No, FileSubstitution::No, FileSubstitution::First, FileSubstitution::FirstOfAny, FileSubstitution::Alone], "observed in all six: x=$(<f); x=$(<f >g); x=$(<<<a); x=$(3<f)";
    /// Printing to a closed descriptor is no mistake.
    closed_output_is_silent: bool = [N, N, N, N, N, N, Y], "observed in all six: x=$(echo a >&-; echo $?); echo $x";
    /// `path` is the list of the folders in PATH, and both change together.
    tied_path: bool = [N, N, N, N, N, N, Y], "observed in zsh: path=(/bin); echo $PATH";
    /// Whether the shell refuses to begin a coprocess while it could write to another.
    one_coprocess: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: cat |& cat |& echo a; coproc cat; coproc cat";
    /// A coprocess whose writers have all gone reads to the end; where it does not, it holds its own input open.
    coprocesses_see_the_end: bool = [Y, Y, Y, Y, Y, Y, N], "observed in bash, ksh93, mksh and zsh: coproc { read a; echo end >f; }; coproc :; sleep 1; cat f";
    /// `exec 3>&p` takes the coprocess away from `p`.
    exec_takes_coprocess: bool = [N, N, N, N, Y, Y, N], "observed in ksh93, mksh and zsh: cat |& exec 3>&p; print -p a; echo $?";
    /// The descriptors of coprocesses are closed in subshells, but for command substitutions.
    subshells_close_coprocesses: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: coproc cat; (echo a >&${COPROC[1]}); cat |& (print -p a); read -p x";
    /// A coprocess may have a name before its compound command.
    named_coprocesses: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: coproc press { :; }";
    /// Variables that the shell sets at its start.
    first_variables: &'static [(&'static str, &'static str)] = [&[], &[], &[], &[], &[], &[], &[("NULLCMD", "cat"), ("READNULLCMD", "pager"), ("OPTARG", "")]], "observed in all six: env -i SHELL -c set; echo ${OPTARG-unset}";
    /// How a shell keeps the name that PWD has for the folder it begins in.
    folder_name: FolderName = [FolderName::Kept, FolderName::Kept, FolderName::Kept, FolderName::Kept, FolderName::Kept, FolderName::Tidied, FolderName::WithoutDots], "observed in all six with PWD unset, wrong, a link, with dots and with two slashes";
    /// How SHLVL counts the shells that this one is in.
    shell_levels: ShellLevels = [ShellLevels::Never, ShellLevels::Bounded, ShellLevels::Never, ShellLevels::Unsigned, ShellLevels::Whole, ShellLevels::Never, ShellLevels::Start], "observed in all six with SHLVL unset, 3, abc, -5, 2000, 999, 3x, 0x5";
    /// PWD is exported also if the environment had none.
    exports_folder: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: env -u PWD sh -c env";
    /// An OLDPWD of the environment that is no folder counts for nothing.
    old_folder_must_be_there: bool = [N, Y, N, N, N, N, N], "observed in all six: OLDPWD=/nonexist sh -c 'echo ${OLDPWD-unset}'";
    /// `setopt local_options` and `setopt local_traps` end with the function.
    functions_can_keep_options: bool = [N, N, N, N, N, N, Y], "observed in zsh: f() { setopt local_options null_glob; }; f; echo *.none";
    /// OLDPWD is the folder in which the shell begins.
    begins_in_old_folder: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ${OLDPWD-unset}";
    /// The aliases that the shell begins with.
    first_aliases: &'static [(&'static str, &'static str)] = [
        &[],
        &[],
        &[],
        &[],
        &[],
        &[
            ("autoload", "\\\\builtin typeset -fu"),
            ("functions", "\\\\builtin typeset -f"),
            ("hash", "\\\\builtin alias -t"),
            ("history", "\\\\builtin fc -l"),
            ("integer", "\\\\builtin typeset -i"),
            ("local", "\\\\builtin typeset"),
            ("login", "\\\\builtin exec login"),
            ("nameref", "\\\\builtin typeset -n"),
            ("nohup", "nohup "),
            ("r", "\\\\builtin fc -e -"),
            ("type", "\\\\builtin whence -v"),
        ],
        &[("run-help", "man"), ("which-command", "whence")]
    ], "observed in all six: alias";
    /// `test -t` with what is no number is false; otherwise it is a mistake.
    test_takes_any_descriptor: bool = [N, Y, N, N, Y, N, Y], "observed in all six: [ -t x ]; echo $?";
    /// What `test -t` asks about is an expression.
    tested_descriptors_are_expressions: bool = [N, N, N, N, N, N, Y], "observed in all six: [ -t 1x ]; echo after";
    /// Whether a compound command whose redirection fails is one that fails, for `set -e` and the action of ERR.
    failed_redirections: FailedRedirections = [FailedRedirections::Count, FailedRedirections::Count, FailedRedirections::Count, FailedRedirections::AsCommands, FailedRedirections::Never, FailedRedirections::Count, FailedRedirections::Count], "observed in all six: set -e; { :; } >nosuch/x; echo after; ( : ) >nosuch/x; echo after";
    /// What a mistake in a comparison of numbers inside `[[ ]]` ends.
    comparison_mistake: ComparisonMistake = [ComparisonMistake::Ends, ComparisonMistake::IsFalse, ComparisonMistake::Ends, ComparisonMistake::Ends, ComparisonMistake::Ends, ComparisonMistake::EndsCommand, ComparisonMistake::Ends], "observed in all six: [[ 1+ -eq 1 || a = a ]]; echo $?";
    /// `local x` keeps the value that x has outside.
    local_inherits: bool = [N, N, Y, N, N, N, N], "observed: x=1; f() { local x; echo $x; }; f";
    /// A redirection of a special built-in utility that fails ends the shell.
    special_redirection_failure_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: : <nosuch; echo after";
    /// `set -e` counts inside command substitutions.
    substitution_keeps_exit_on_error: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: set -e; x=$(false; echo a); echo $x";
    /// A list for one element of an array is a mistake that ends this; otherwise nobody says what it makes.
    list_in_element_ends: Option<Reach> = [None, Some(Reach::Line), None, None, None, Some(Reach::Shell), None], "observed in bash and mksh: label a; a[0]=(); label b";
    /// Functions come before the special built-in utilities of their names.
    functions_come_first: bool = [N, Y, N, N, N, N, Y], "observed in bash, mksh and zsh: set() { echo in; }; set";
    /// Utilities besides the special ones before which assignments stay; `builtin` alone is meant by its name.
    utilities_keep_assignments: &'static [&'static str] = [&[], &[], &[], &[], &["compound", "float", "integer", "nameref"], &["builtin", "typeset", ".", ":", "break", "continue", "eval", "exec", "exit", "export", "readonly", "return", "set", "shift", "times", "trap", "unset"], &["alias", "builtin", "hash"]], "observed in all six, with the name of each utility: x=1 typeset y; echo $x";
    /// Assignments before a special built-in utility stay.
    special_keeps_assignments: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: x=1 :; echo $x";
    /// They are exported, and stay behind the calls of functions that gave the same names values, but not those before
    /// the utilities named here; so it is in bash's POSIX mode.
    kept_assignments_outlast_calls: Option<&'static [&'static str]> = [None, None, None, None, None, None, None], "observed in bash 5.2: set -o posix; f() { x=1 :; }; x=0; x=5 f; echo $x; declare -p x";
    /// The last command of a pipeline is run by the shell itself.
    last_of_pipeline_in_place: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo a | read x; echo $x";
    /// Under `set -e` a mistake that ends a line ends the shell, but not one in an expression or an offset.
    exit_on_error_minds_mistakes: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: set -e; echo ${}, newline, echo next; set -e; echo $((1/0)), newline, echo next";
    /// An assignment of a list has the status 0, whatever the substitutions in it have ended with.
    lists_succeed: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a=($(false)); echo $?";
    /// What `$?` is for the words behind a command substitution in the same command.
    substitution_status: SubstitutionStatus = [SubstitutionStatus::Kept, SubstitutionStatus::Shown, SubstitutionStatus::Kept, SubstitutionStatus::Kept, SubstitutionStatus::OfBeside, SubstitutionStatus::KeptUnlessPiped, SubstitutionStatus::ShownButForFiles], "observed in all six: (exit 5); echo $(exit 6) $?; (exit 5); echo $( (exit 2) | (exit 3) ) $?; (exit 5); echo $( (exit 2) & (exit 3) ) $?";
    /// Assignments before a built-in utility are exported to the programs that it runs.
    assignments_of_utilities_are_exported: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: x=1 command eval 'env'; x=1 eval 'export -p'";
    /// Assignments and redirections without a command can be in the background.
    lone_assignments_run_in_background: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: x=1 & wait; echo $?; >f & echo $?";
    /// Where the text of a here-document is that begins in a `$(...)` which ends on the same line.
    documents_left_open: OpenDocuments = [OpenDocuments::Behind, OpenDocuments::Behind, OpenDocuments::Empty, OpenDocuments::Empty, OpenDocuments::RefusedAlone, OpenDocuments::Refused, OpenDocuments::Empty], "observed in all six: x=$(cat <<E); echo $x, with two lines behind it; cat <<E $(cat <<F), with four";
    /// What a command in the background reads.
    background_input: BackgroundInput = [BackgroundInput::Nothing, BackgroundInput::NothingOfShell, BackgroundInput::Nothing, BackgroundInput::Nothing, BackgroundInput::EmptyLinesOfShell, BackgroundInput::NothingWithoutJobs, BackgroundInput::Kept], "observed in all six: exec <file; { read v; echo $? $v; } & wait; { { read v; echo $? $v; } & wait; } <file; { read v; echo $v; } <&0 & wait";
    /// A mistake in the words of a command that is all of a process (in a pipeline, or in the background) ends that
    /// with the action for EXIT of the shell: the process has not put it aside yet.
    words_of_processes_act: bool = [N, Y, N, N, N, N, N], "observed in all six: trap 'echo bye' EXIT; : | : ${z?}; echo after; : | { : ${z?}; }; : ${z?} & wait";
    /// Redirections without a command that open a file as the input succeed, whatever a substitution leaves: a child
    /// carries them out.
    lone_input_succeeds: bool = [N, Y, N, N, N, N, N], "observed in all six: x=$(exit 3) </dev/null; echo $?; x=$(exit 3) >/dev/null; echo $?";
    /// `local OPTIND` keeps the place in the words for when the function ends.
    getopts_keeps_place_for_local: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { local OPTIND=1; getopts ab p -ba; }; getopts ab o -ab; f; getopts ab o -ab; echo $o";
    /// Behind a function whose own OPTIND had a value the options begin again, unless the script itself had set
    /// OPTIND before.
    getopts_starts_over_behind_local: bool = [N, N, N, N, N, Y, N], "observed in mksh: f() { local OPTIND; getopts ab o -a -b; }; getopts ab o -a -b; f; getopts ab o -a -b; echo $o; OPTIND=2; f; getopts ab o -a -b; echo $o";
    /// What the action for EXIT still sees of a function that `exit` has ended.
    exit_keeps: KeepsScope = [KeepsScope::Nothing, KeepsScope::All, KeepsScope::Variables, KeepsScope::Variables, KeepsScope::Nothing, KeepsScope::All, KeepsScope::Nothing], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; exit; }; f own";
    /// What it still sees of a function in which `set -e` has ended the shell; nothing where that is
    /// as with `exit`.
    error_exit_keeps: Option<KeepsScope> = [None, Some(KeepsScope::Parameters), None, None, None, None, None], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; set -e; false; }; f own";
    /// Under `set -e` a `return` with another status than 0 ends the shell where it stands, as a command that fails does.
    return_fails: bool = [N, N, Y, Y, N, N, Y], "observed in all six: set -e; f() { local x=in; return 1; }; trap 'echo $x' EXIT; f";
    /// What it still sees of a function in which a mistake has ended the shell.
    mistakes_keep: KeepsScope = [KeepsScope::Nothing, KeepsScope::Nothing, KeepsScope::Variables, KeepsScope::Variables, KeepsScope::Nothing, KeepsScope::All, KeepsScope::Nothing], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; : ${nosuch?}; }; f own";
    /// The same under `set -e`.
    mistakes_under_option_keep: KeepsScope = [KeepsScope::Nothing, KeepsScope::All, KeepsScope::Variables, KeepsScope::Variables, KeepsScope::Nothing, KeepsScope::All, KeepsScope::Nothing], "observed in all six: set -e; f() { local l=in; echo ${x?}; }; trap 'echo $l $1' EXIT; f a";
    /// OPTERR is 1 at the start.
    option_errors: bool = [N, Y, N, N, N, N, N], "observed in all six: echo ${OPTERR-unset}";
    /// What OPTIND keeps of a value that is assigned to it.
    option_index: OptionIndex = [OptionIndex::Text, OptionIndex::Integer, OptionIndex::Digits, OptionIndex::Text, OptionIndex::Integer, OptionIndex::Integer, OptionIndex::Integer], "observed in all six: OPTIND=1x; echo after; OPTIND=x; echo after";
    /// A mistake in an index ends the shell even in `((` and `let`.
    index_mistakes_go_through: bool = [N, Y, N, N, N, Y, N], "observed in all six: ((a[1/0]=3)); echo $?; let 'a[1/0]=3'; echo $?";
    /// The value of PATH where the environment has none; none if it is empty.
    path_at_start: &'static str = ["", "/usr/local/bin:/usr/local/sbin:/usr/bin:/usr/sbin:/bin:/sbin:.", "/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin", "/sbin:/usr/sbin:/bin:/usr/bin", "", "/usr/bin:/bin", "/bin:/usr/bin:/usr/ucb:/usr/local/bin"], "observed in all six of Debian 12, started with an empty environment: echo $PATH";
    /// Programs are handed the PATH that the shell gave itself.
    exports_path_at_start: bool = [N, N, N, Y, N, Y, N], "observed in all six, started with an empty environment: env";
    /// What becomes of entries of PATH that are empty, relative, or end in a slash.
    path_entries: PathEntries = [PathEntries::PLAIN, PathEntries { empty_stays: false, keeps_slash: false, ..PathEntries::PLAIN }, PathEntries::PLAIN, PathEntries::PLAIN, PathEntries { dot_is_empty: true, keeps_slash: false, from_root: true, ..PathEntries::PLAIN }, PathEntries { keeps_slash: false, ..PathEntries::PLAIN }, PathEntries { dot_is_empty: true, ..PathEntries::PLAIN }], "observed in all six with a script s that prints $0: PATH=.:$PATH; s; PATH=:$PATH; s; PATH=./:$PATH; s; PATH=../x:$PATH; s";
    /// Where programs are looked for without PATH.
    search_without_path: WithoutPath = [WithoutPath::Folders("/bin:/usr/bin"), WithoutPath::Folder, WithoutPath::Folder, WithoutPath::Folder, WithoutPath::Folders("/bin:/usr/bin"), WithoutPath::Folders("/usr/bin:/bin"), WithoutPath::Nowhere], "observed in all six: unset PATH; jar";
    /// An empty PATH stands for the current folder.
    empty_path_is_folder: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: PATH=; jar";
    /// What becomes of a file that the kernel does not know.
    unknown_files: UnknownFiles = [UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Nothing }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::NulInLine }, UnknownFiles { reader: Some(Reader::Sh), refuses: Refuses::Programs }, UnknownFiles { reader: Some(Reader::Sh), refuses: Refuses::NulOrMark }], "observed in all six: files of text, empty ones, with a NUL in the first line or behind it, broken programs; ./file a";
    /// A mistake in `((...))` has the status 1 and the shell goes on.
    arithmetic_command_recovers: bool = [N, Y, N, N, N, Y, Y], "observed in bash: ((1 2)); echo $?";
    /// The commands of a pipeline behind the first begin with the status 0, not with that of what came before.
    piped_begin_with_success: bool = [N, N, N, N, Y, N, N], "observed in all six: false; true | echo $?";
    /// Which mistakes in an action, but that of EXIT, end the action only.
    mistakes_end_actions: MistakesEndAction = [MistakesEndAction::None, MistakesEndAction::None, MistakesEndAction::None, MistakesEndAction::OfErr, MistakesEndAction::ButOfUtilities, MistakesEndAction::None, MistakesEndAction::ButExits], "observed in all six: trap ': $((1/0)); echo a' USR1; kill -USR1 $$; echo b; trap ': ${x?}' ERR; false; echo c; trap 'shift 99' ERR; false; echo d";
    /// No loop is seen from an action.
    actions_hide_loops: bool = [N, N, N, N, N, Y, N], "observed in all six: trap 'break; echo t' ERR; for i in 1 2; do false; echo $i; done";
    /// `set -e` does not count in an action for DEBUG.
    debug_spares_failures: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: set -e; trap 'false; echo a' DEBUG; echo b";
    /// A word that leaves nothing is an empty element of a list that has indexes too.
    words_beside_keys_stay: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=([1]=x $nosuch); echo ${#a[@]}";
    /// A command at the end of a pipeline that leaves neither words nor redirections is none of its commands.
    nothing_ends_no_pipeline: bool = [N, N, N, N, N, N, Y], "observed in zsh: false | $nosuch; echo $? $pipestatus; false | x=$(true); echo $? $pipestatus";
    /// The keys and values of an associative array's list are texts that are not split or matched, and what
    /// has no index among those that have is passed over.
    pairs_are_whole: bool = [N, Y, N, N, N, N, N], "observed in bash: x='1 2'; declare -A h; h=($x * ~ v); h=([a]=1 b c)";
    /// The words of a list are expanded, the array is emptied, and only then are the indexes reckoned.
    lists_are_emptied_first: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(5 6); a=([a[0]]=q x); echo ${!a[@]}; i=0; a=([i++]=$i [i++]=$i)";
    /// The elements of an associative array's list are expanded and put there one by one, when it has been emptied.
    keyed_lists_grow: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: typeset -A h; h=([x]=1); h=([a]=3 [${h[a]}]=${h[x]}4); echo ${!h[@]}";
    /// `[key]+=` in the list of an associative array puts something behind what the array held before.
    keyed_lists_append_to_old: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: typeset -A h=([x]=1); h=([x]+=5 [a]=3 [a]+=4); echo ${h[@]}";
    /// Brackets in a value end no index of an arithmetic expression.
    indexes_hide_brackets: bool = [N, Y, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: typeset -A a; k=']'; (( a[$k]=1 ))";
    /// In an expression in which something is expanded, brackets, quotes and signs of expansions in the index of an element
    /// are a mistake, also where they are written.
    hidden_signs_spoil_indexes: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: a=(5 6); b=(0 1); n=1; echo $((a[b[n]])); echo $((a[~n])); echo $((a[b[$n]]))";
    /// `@` and `*` are no keys of an associative array where an element is assigned.
    all_is_no_key: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: typeset -A h; h[@]=1; echo after";
    /// Which quoting that is written in the key of an element is gone when an arithmetic expression takes the key.
    key_quoting: KeyQuoting = [KeyQuoting::Stays, KeyQuoting::Backslashes, KeyQuoting::Stays, KeyQuoting::Stays, KeyQuoting::All, KeyQuoting::Stays, KeyQuoting::Stays], "observed in bash, ksh93, mksh and zsh: typeset -A a; k='x y'; ((a[\"$k\"]++)); ((a[x\\ y]++)); echo ${!a[@]}";
    /// The words of a simple command of a pipeline do not count the subshell that carries it out.
    piped_words_are_outside: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: echo $BASH_SUBSHELL | cat; { echo $BASH_SUBSHELL; } | cat";
    /// A `#` before an arithmetic expression makes its numbers unsigned.
    sign_makes_unsigned: bool = [N, N, N, N, N, Y, N], "observed in mksh: echo $((# 5-6))";
    /// `typeset -U` shows integers without a sign, and `-u` their digits in capitals.
    integers_show_attributes: bool = [N, N, N, N, N, Y, N], "observed in mksh: typeset -Uui16 x=-1; echo $x";
    /// A function that is written with `function` has the options to itself.
    functions_have_options: bool = [N, N, N, N, Y, Y, N], "observed in all six: function f { set -f; }; f; echo $-";
    /// A here-document is a file, which is read from its start where it is opened again, and no pipe.
    documents_are_files: bool = [N, N, N, N, Y, Y, Y], "observed in all six: { read x; read y </dev/stdin; echo $y; } <<E, with two lines";
    /// What `set` replaces in a file that is read by `.` with arguments stays, unless a function reads the file.
    files_keep_set_parameters: bool = [N, Y, N, N, N, N, N], "observed in all six: echo 'set n' >lib; set a b; . ./lib c; echo $*";
    /// `set -e` counts in a file that is read by `.` also where the status is asked for.
    files_are_not_asked: bool = [N, N, Y, Y, N, Y, N], "observed in all six: set -e; echo false >lib; . ./lib || echo or";
    /// `set -e` counts in `eval` also where the status is asked for, and ends no more than the `eval`.
    eval_is_not_asked: bool = [N, N, N, N, N, Y, N], "observed in all six: set -e; eval 'false; echo no' || echo or";
    /// Utilities in whose texts `set -e` and the action for ERR from outside do not count where their status is asked
    /// for, while an action for ERR that such a text sets is carried out in it.
    asked_texts: &'static [&'static str] = [&[], &["eval", ".", "source", "command"], &[], &[], &[], &[], &[]], "observed in all six: eval 'trap \"echo e\" ERR; false' || :; trap 'echo a' ERR; eval 'trap \"echo b\" ERR' || :; false";
    /// A `return` whose status is asked for in its function, as in `return 3 || :`, spares the call of the function.
    asked_returns_spare: bool = [N, N, N, N, Y, N, N], "observed in all six: set -e; f() { return 3 || :; }; f; echo after";
    /// Under `set -e` a mistake that ends the shell, which has no action for EXIT, is a failure that ERR is for.
    mistakes_act_as_failures: bool = [N, N, N, N, N, Y, N], "observed in all six: set -e; trap 'echo e' ERR; shift 9; echo no";
    /// The program that a function ends with takes the place of the process of a substitution that ends with the call:
    /// actions that the function has set by then are lost.
    last_programs_replace: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { trap 'echo t' EXIT; /bin/echo in; }; x=$(f); echo $x; x=$(f; :); echo $x";
    /// Of a list in the background only the last pipeline is carried out there.
    last_pipeline_goes_behind: bool = [N, N, N, N, N, N, Y], "observed in all six: x=1 && : & wait; echo $x";
    /// A mistake that ends a line ends the subshell if it is in the text of an `eval`, a file or an action.
    inner_mistakes_end_subshells: bool = [N, Y, N, N, N, N, N], "observed in all six: (eval 'echo $((1/0))'; echo no)";
    /// `!` before the call of a function, `eval` or `case` that carries commands out keeps `set -e` from nothing.
    negated_calls_fail: bool = [N, N, N, N, N, N, Y], "observed in all six: set -e; f() { true; }; ! f; echo after; ! eval true; ! case a in a) true;; esac";
    /// What a mistake in the action for EXIT does to the status of the shell.
    exit_action_mistakes: ExitMistakes = [ExitMistakes::Count, ExitMistakes::Pass, ExitMistakes::Count, ExitMistakes::Count, ExitMistakes::Pass, ExitMistakes::Count, ExitMistakes::CountWithoutExit], "observed in all six: (trap 'echo ${x?}' EXIT; exit 5); echo $?; (trap 'echo $((1/0))' EXIT; echo a); echo $?";
    /// `set -e` in the action for EXIT gives the shell the status of the command that failed.
    error_in_exit_action_counts: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: (trap 'set -e; false' EXIT; exit 5); echo $?";
    /// `return` with a number in the action for EXIT gives the shell its status.
    exit_action_returns: bool = [N, N, N, N, Y, Y, Y], "observed in all six: (trap 'return 6' EXIT; exit 5); echo $?";
    /// `!` before a pipeline in the background turns nothing round.
    background_is_not_negated: bool = [N, Y, N, N, N, N, Y], "observed in all six: ! (exit 3) & wait $!; echo $?";
    /// The status of a condition decides whether its loop ends also where `break` or `continue` ends the condition.
    left_conditions_count: bool = [N, Y, N, N, N, N, Y], "observed in all six: until continue; do :; done; echo $?; until break 0; do :; done; echo $?";
    /// The options that have, behind a function, the values from before it.
    functions_keep_letters: &'static str = ["", "", "", "", "", "x", "1x"], "observed in all six with each letter: f() { set -x; }; f; echo $-";
    /// Options, off at the start, that get the values back when a function ends which they had when it began, whatever else stays.
    functions_keep_options: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], &["localloops", "warnnestedvar"]], "observed in zsh with each option: f() { setopt localloops; }; f; [[ -o localloops ]]; echo $?";
    /// `set -x` does not count in a function that is written with `function`, unless `typeset -ft` marks it.
    functions_begin_untraced: bool = [N, N, N, N, Y, N, N], "observed in all six: set -x; function f { echo $-; }; f";
    /// A command that fails under `set -e` ends the `${ list; }` that it is in.
    errors_end_command_braces: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and mksh: set -e; echo ${ false; echo x; }; echo after";
    /// Arithmetic has `^<` and `^>`, which turn bits round.
    arithmetic_rotates: bool = [N, N, N, N, N, Y, N], "observed in mksh: echo $((5 ^> 1))";
    /// A mistake in the index of an array ends a line of a script, and not the shell as behind `-c`.
    scripts_survive_indexes: bool = [N, Y, N, N, N, N, N], "observed in bash: a file with a[1+]=3 and then echo after; the same with -c";
    /// A mistake in `for ((...))` ends the loop and no more.
    arithmetic_for_recovers: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: for ((i=1+;;)); do :; done; echo after";
    /// An assignment before a command whose value is no number, where the variable is an integer, is passed over.
    no_number_is_passed_over: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: typeset -i i; i=1+ label x";
    /// The largest index of an array.
    largest_index: Option<i64> = [None, None, None, None, Some(0x3F_FFFF), None, None], "observed in ksh93: x[4194303]=a; echo $?; x[4194304]=a; echo $?";
    /// Only the last 32 bits of an index count.
    short_indexes: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=hive; a[4294967297]=q; echo $a";
    /// A mistake in the words of a command leaves the status that was there, unless that was 0; one in the words of
    /// `case` leaves 0, one in the condition of `while` what the loop would have left, and one in that of `until` 1.
    mistakes_keep_status: bool = [N, N, N, N, N, N, Y], "observed in all six: ( (exit 3); : $((1 2)) ); echo $?; ( (exit 3); case $((1 2)) in x) ;; esac ); echo $?; ( while : $((1 2)); do :; done ); echo $?";
    /// A mistake that ends a script lets the action for EXIT be carried out, though it does not behind `-c` or under `set -e`.
    mistakes_in_scripts_act: bool = [N, N, N, N, N, N, Y], "observed in zsh: trap 'echo bye' EXIT; echo $((1/0)), in a file, there behind set -e, and with -c";
    /// The letters of options in the order of `$-`.
    option_order: &'static str = ["abefhimnuvxC", "abefhikmnprtuvxBCEHPTcs", "pubaCEVvxsinmIfe", "EubaCVvxcsinmIfe", "cabefhkmnprstuvxBCGH", "aeikXlmCnfbuprshUvxc", "0123456789BCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz"], "observed in all six: set -xvufea; echo $-";
    /// The letters of the options that are on at the start.
    first_letters: &'static str = ["", "hB", "", "", "hB", "hU", "569Xf"], "observed in all six: echo $-";
    /// Whether characters have several bytes is an option, `set -U`, that follows the locale when a variable of
    /// the locale changes.
    utf8_option: bool = [N, N, N, N, N, Y, N], "observed in all six: set +U; x=ö; echo ${#x} $-; LC_ALL=C.UTF-8; echo ${#x} $-";
    /// Where the commands of a substitution are spared by `set -e` as the command is that holds it.
    asked_substitutions: AskedSubstitutions = [AskedSubstitutions::Never, AskedSubstitutions::InWords, AskedSubstitutions::Never, AskedSubstitutions::Never, AskedSubstitutions::Always, AskedSubstitutions::Never, AskedSubstitutions::Always], "observed in all six: if x=$(set -e; false; echo in >&2); then :; fi; case $(set -e; false; echo in >&2) in *) ;; esac || :";
    /// `!` spares what is inside a command only where `set -e` holds by then.
    negation_asks_under_option: bool = [N, Y, N, N, N, N, N], "observed in all six: ! { set -e; false; echo in; }; ! (set -e; false; echo in)";
    /// The locale where no variable names one that there is any more.
    unnamed_locale: UnnamedLocale = [UnnamedLocale::Plain, UnnamedLocale::Plain, UnnamedLocale::Plain, UnnamedLocale::ByName, UnnamedLocale::Plain, UnnamedLocale::First, UnnamedLocale::Latest], "observed in all six: x=ö; LANG=; echo ${#x}; unset LANG; echo ${#x}";
    /// `$-` tells with a `c` that the shell was given its text with `-c`.
    text_letter: bool = [N, Y, N, Y, Y, Y, N], "observed in all six: sh -c 'echo $-'";
    /// Words that look like assignments are such wherever they stand in a simple command under `set -k`.
    keywords: Keywords = [Keywords::None, Keywords::CarriedOut, Keywords::None, Keywords::None, Keywords::Read, Keywords::ReadEverywhere, Keywords::None], "observed in all six: set -k; label a=1; the same with a line end behind the set; set -k and export a=1, readonly a=1; a=2";
    /// A real halfway between two numbers of fewer digits is written as the larger one, not as the even one.
    halves_up: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%.0f %.1f' 0.5 2.25";
    /// Variables of reals keep the whole number, not only the digits that they show.
    real_variables_keep_digits: bool = [N, N, N, N, Y, N, Y], "observed in ksh93 and zsh: typeset -F3 f=1.0005; echo $f $((f))";
    /// The status of `((...))` after a mistake after which the shell goes on.
    arithmetic_command_status: Status = [1, 1, 1, 1, 1, 2, 2], "observed in all six: ((1/0)); echo $?";
    /// The words of a list behind a declaration utility are expanded with the other arguments, before the name is declared.
    list_arguments_expand_first: bool = [N, Y, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: x=0; f() { local x=1 a=($x); echo ${a[@]}; }; f";
    /// The same in the patterns of `${x#p}`, `${x/p/r}` and their kin.
    quotes_pair_in_operations: QuotesPair = [QuotesPair::Spoils, QuotesPair::Spoils, QuotesPair::Before("!*?[]=~:/-\\"), QuotesPair::Before("!*?[]-\\"), QuotesPair::Before("*?[]\\"), QuotesPair::Never, QuotesPair::Never], "observed in all six: x='\\'; y='a*b'; echo ${y#a$x'*'} ${y%$x\\*b}";
    /// The status with which an option that a special built-in does not know ends the shell.
    unknown_option_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: (set -Q); echo $?; (export -z); echo $?";
    /// What `exit` without an operand ends with in an action.
    exit_in_actions: ActionStatus = [ActionStatus::Before, ActionStatus::BeforeAtEnd, ActionStatus::Before, ActionStatus::Before, ActionStatus::Latest, ActionStatus::Before, ActionStatus::Latest], "observed in all six: (trap '(exit 5); exit' EXIT; exit 3); echo $?";
    /// What `return` without an operand ends with in an action.
    return_in_actions: ActionStatus = [ActionStatus::Before, ActionStatus::Before, ActionStatus::BeforeOutsideFunctions, ActionStatus::BeforeOutsideFunctions, ActionStatus::Latest, ActionStatus::Before, ActionStatus::BeforeOutsideFunctions], "observed in all six: trap '(exit 5); return' USR1; f() { (exit 7); kill -USR1 $$; }; f; echo $?";
    /// Conditions in whose actions `return` takes the status of the latest command all the same.
    return_takes_latest: &'static [&'static str] = [&[], &["DEBUG"], &[], &[], &[], &[], &["ERR"]], "observed in bash, mksh and zsh: trap '(exit 5); return' ERR; f() { (exit 7); }; f; echo $?; the same with DEBUG";
    /// Conditions whose action is not carried out again in that for EXIT once `exit` has left it.
    exited_actions_stay: &'static [&'static str] = [&[], &["DEBUG", "ERR"], &[], &[], &["DEBUG", "ERR"], &["ERR"], &[]], "observed in all six: trap 'echo t; false; echo u' EXIT; trap 'echo a; exit 3' ERR; false";
    /// An action that `return` has left is not carried out again.
    left_actions_stay: bool = [N, N, N, N, Y, Y, N], "observed in all six: trap 'echo e; return' ERR; f() { false; }; f; f";
    /// `${ ...;}` has variables of its own as a function does.
    command_braces_have_variables: bool = [N, N, N, N, N, Y, N], "observed in ksh93 and mksh: e=1; x=${ typeset e=2; }; echo $e";
    /// What an assignment to an element before a command does.
    temporary_elements: TemporaryElements = [TemporaryElements::Kept, TemporaryElements::Ignored, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Stay], "observed in bash, ksh93, mksh and zsh: a=(1 2); a[1]=x eval 'echo ${a[@]}'; echo ${a[@]}";
    /// A variable that is assigned before a command has none of the attributes that it has otherwise.
    temporaries_are_plain: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -i n; n=1+1 eval 'echo $n'";
    /// `>` overwrites an empty file under `set -C`.
    empty_files_are_overwritten: bool = [N, N, N, N, N, N, N], "observed in all six: set -C; : >f; echo a >f; in zsh also behind setopt clobberempty";
    /// Under `set -C` what is written behind the end of a file makes none.
    appending_makes_no_file: bool = [N, N, N, N, N, N, Y], "observed in all six: set -C; echo a >>f; in zsh also behind setopt appendcreate";
    /// `readonly x` and `export x` leave a variable unset that is.
    bare_marks_leave_unset: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt posixbuiltins; readonly p; echo ${+p}";
    /// Taking back that a variable is read-only is a mistake.
    read_only_is_kept_by_mistake: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt posixbuiltins; readonly p; typeset +r p; echo after";
    /// The action for DEBUG finds the commands in ZSH_DEBUG_CMD that it stands before.
    debug_tells_commands: bool = [N, N, N, N, N, N, Y], "observed in zsh: trap 'echo $ZSH_DEBUG_CMD' DEBUG; for i in 1 2; do echo $i; done";
    /// What becomes of variables that have values for a command, when another assignment before it ends the shell.
    failed_temporaries: FailedTemporaries = [FailedTemporaries::StayAtReadOnly, FailedTemporaries::PutBack, FailedTemporaries::Stay, FailedTemporaries::Stay, FailedTemporaries::StayAtReadOnly, FailedTemporaries::StayAtReadOnly, FailedTemporaries::Stay], "observed in all six: trap 'echo $x' EXIT; x=2 y=${z?} true; readonly r; x=3 r=4 true";
    /// Utilities that leave a variable what they assign to it, though it had a value for them alone.
    assigners_outlast: &'static [&'static str] = [&[], &["getopts", "let", "printf"], &[], &[], &[], &[], &[]], "observed in all six: x=1 printf -v x 5; echo $x; x=1 let x=5; echo $x; x=1 read x <f; echo $x";
    /// Which variables that have values for a command still have them in the action for EXIT, if the shell ends in
    /// that command.
    kept_by_exit: KeptByExit = [KeptByExit::FailedCalls, KeptByExit::Calls, KeptByExit::FailedCallsAndCommand, KeptByExit::FailedCallsAndCommand, KeptByExit::Nothing, KeptByExit::FailedCalls, KeptByExit::Outermost], "observed in all six, in ksh93 with function f: trap 'echo $x' EXIT; f() { exit; }; x=1 f; the same with set -e; false, and with x=1 eval exit";
    /// When variables are saved that get other values for a command.
    temporaries_are_saved: TemporariesSaved = [TemporariesSaved::Late, TemporariesSaved::Through, TemporariesSaved::Late, TemporariesSaved::Late, TemporariesSaved::Late, TemporariesSaved::Early, TemporariesSaved::Early], "observed in all six: x=1 y=$((x=5)) true; echo $x; x=$((x=6)) true; echo $x";
    /// Under `set -e` mistakes that are only told end the shell wherever they stand: the missing file of `$(<file)`,
    /// the index of an element of a list, a read-only variable.
    told_mistakes_end_shells: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: set -e; echo $(<nosuch) || echo or; readonly r; read r <<< x || echo or; echo after";
    /// The options of `enable` and `disable`.
    enable_letters: &'static str = ["", "adnpsf:", "", "", "", "", "afmprs"], "observed in bash and zsh: enable -Q; echo $?";
    /// The options of `disown`, where it has any.
    disown_letters: Option<&'static str> = [None, Some("ahr"), None, None, Some(""), None, None], "observed in bash, ksh93 and zsh: disown -a; echo $?; disown -s; echo $?";
    /// The function that is called for a command that is not found.
    not_found_function: Option<NotFoundFunction> = [None, Some(NotFoundFunction { name: "command_not_found_handle", keeps_zero: false, by_exec: false, only_asks: false }), None, Some(NotFoundFunction { name: "command_not_found_handle", keeps_zero: false, by_exec: false, only_asks: true }), None, None, Some(NotFoundFunction { name: "command_not_found_handler", keeps_zero: true, by_exec: true, only_asks: false })], "observed in bash, busybox sh and zsh: command_not_found_handle() { echo $0 $@; return 42; }; nosuch a; echo $?";
    /// `for`, `select` and `case` that carry nothing out keep the status of a substitution in their words.
    idle_commands_keep_status: bool = [N, N, N, N, Y, N, N], "observed in all six: for i in $(exit 4); do :; done; echo $?; case $(exit 4) in a) ;; esac; echo $?";
    /// All values of assignments before a command are expanded before any of them is assigned.
    temporaries_expand_first: bool = [N, N, N, N, N, Y, N], "observed in all six: f() { echo $b; }; a=1 b=$a f";
    /// An assignment before a command hides the elements of an array.
    temporaries_hide_arrays: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); a[1]=x eval 'echo ${a[@]}'";
    /// An assignment before a command hides an array and makes a text of a list.
    temporaries_are_texts: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); a=x eval 'echo ${a[@]}'; a=(y z) eval 'echo ${a[@]}'";
    /// `6<&5-` moves a descriptor: it closes the one that is copied.
    moves_descriptors: bool = [N, Y, N, N, Y, N, N], "observed in all six: exec 5<f; exec 6<&5-; read x <&6; read y <&5";
    /// Closing the descriptor that a variable holds which is not set does nothing.
    no_descriptor_is_closed: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: exec {a}<&-; echo $?";
    /// The first descriptor that `{name}>file` can take.
    first_named_descriptor: u32 = [10, 10, 10, 10, 10, 10, 11], "observed in bash, ksh93 and zsh: exec {v}>/dev/null; echo $v";
    /// Before which commands the action for DEBUG is carried out.
    debug_at: DebugAt = [DebugAt::Never, DebugAt::Tests, DebugAt::Never, DebugAt::Never, DebugAt::Parts, DebugAt::Never, DebugAt::Lists], "observed in all six: trap 'echo d $x' DEBUG; x=1; x=2 : >f; [[ a ]]; ((1)); for x in 1 2; do :; done";
    /// When the action for DEBUG is carried out for the passes of `for`.
    debug_loops: DebugLoops = [DebugLoops::Never, DebugLoops::Before, DebugLoops::Never, DebugLoops::Never, DebugLoops::Behind, DebugLoops::Never, DebugLoops::Never], "observed in all six: trap 'echo $x' DEBUG; for x in 1 2; do :; done";
    /// Functions do not inherit the actions for ERR, DEBUG and RETURN.
    functions_lose_actions: bool = [N, Y, N, Y, N, N, N], "observed in all six: trap 'echo e' ERR; f() { false; :; }; f";
    /// The action for ERR is not carried out again for a function that returns what it was carried out for.
    error_action: ErrorAction = [ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::OncePerCall, ErrorAction::Once], "observed in all six: set -E; trap 'echo e' ERR; f() { false; }; f; eval false";
    /// The action for a signal that the shell sends itself is carried out inside `kill`.
    signals_act_at_once: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo $?; return 3' USR1; f() { false; kill -USR1 $$; }; f; echo $?";
    /// In the action for EXIT those for DEBUG and ERR do not count, nor those that functions have for EXIT; and where DEBUG
    /// has one, a subshell that comes to its end carries none out for EXIT.
    exit_action_is_alone: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: trap 'echo d' DEBUG; trap 'echo e' ERR; (trap 'echo t' EXIT); f() { trap 'echo f' EXIT; false; }; trap 'f; echo x' EXIT";
    /// DEBUG is carried out before a simple command of a pipeline or in the background leaves the shell.
    debug_before_forks: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: trap 'echo d' DEBUG; true | true; true & wait";
    /// The signals that do nothing, though they would end another program.
    ignored_signals: &'static [&'static str] = [&[], &["QUIT"], &[], &["QUIT"], &[], &["ALRM", "IO"], &["QUIT", "ABRT"]], "observed in all six with every signal: kill -QUIT $$; echo still here";
    /// INT from a subshell does nothing to the shell that waits for it, and tells by its status that it lives.
    interrupts_are_left_to_subshells: bool = [N, Y, N, N, N, N, N], "observed in all six: (kill -INT $$); echo after";
    /// Which signals that end the shell leave time for the action for EXIT.
    signals_act_at_exit: ActingDeaths = [ActingDeaths::Only(&[]), ActingDeaths::AllBut(&["KILL", "STKFLT", "PROF", "IO", "PWR"]), ActingDeaths::Only(&[]), ActingDeaths::Only(&[]), ActingDeaths::AllBut(&["KILL", "SEGV"]), ActingDeaths::Only(&["INT", "QUIT", "TERM"]), ActingDeaths::OutsideFunctions(&["HUP"])], "observed in all six with every signal: trap 'echo x' EXIT; kill -TERM $$";
    /// The status that this action sees.
    death_status: DeathStatus = [DeathStatus::OfSignal, DeathStatus::Latest, DeathStatus::OfSignal, DeathStatus::OfSignal, DeathStatus::Before, DeathStatus::OfSignal, DeathStatus::One], "observed in all six: trap 'echo $?' EXIT; (exit 4); f() { kill -TERM $$; }; f; the same with (kill -TERM $$), with INT, and without a function";
    /// What of signals counts behind a command substitution that has sent them, before the command that holds it.
    signals_in_substitutions: SignalsInSubstitutions = [SignalsInSubstitutions::Deaths, SignalsInSubstitutions::Deaths, SignalsInSubstitutions::Deaths, SignalsInSubstitutions::Deaths, SignalsInSubstitutions::Deaths, SignalsInSubstitutions::Nothing, SignalsInSubstitutions::All], "observed in all six: echo a $(kill -TERM $$); trap 'echo u' USR1; echo b $(kill -USR1 $$)";
    /// Utilities that pass on to a declaration utility behind them that its arguments are assignments.
    declaring_prefixes: &'static [&'static str] = [&["command"], &[], &["command"], &["command"], &["command"], &["command", "\\builtin"], &[]], "observed in all six: x='a b'; command export y=$x; echo $y; \\\\builtin typeset y=$x";
    /// Declaration utilities with quotes in their names take `name=value` as assignments.
    quoted_name_declares: bool = [N, N, N, N, Y, Y, N], "observed in all six: x='a b'; \\export y=$x; echo $y";
    /// When a command leaves its last argument for `$_`.
    last_argument: LastArgument = [LastArgument::Never, LastArgument::Behind, LastArgument::Never, LastArgument::Never, LastArgument::Lines, LastArgument::Never, LastArgument::Before], "observed in all six: echo a b; echo $_; f() { echo $_; : c; }; f d; echo $_, the same on lines of their own";
    /// The letters of `test` with one operand.
    test_letters: &'static str = ["bcdefghLnprSstuwxz", "abcdefgGhkLnNoOprRsStuvwxz", "bcdefghkLnOGprSstuwxz", "bcdefghkLnOGprSstuwxz", "abcCdefgGhHkLnNoOpRrsStuvwxz", "abcdefgGhHkLnoOprsStuvwxz", "abcdefgGhkLnNOprsStuvwxz"], "observed in all six with each letter";
    /// How far it reaches that `>&` and `<&` have something other than the number of a descriptor behind them; nowhere: it is a file.
    copy_of_no_number: CopyOfNoNumber = [CopyOfNoNumber { standard_output: Some(Reach::Shell), no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: None, no_name: None, other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: Some(Reach::Shell), no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: None, no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: Some(Reach::Command), no_name: Some(Reach::Command), other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: Some(Reach::Command), no_name: Some(Reach::Command), other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: None, no_name: None, other_output: None, input: Reach::Shell }], "observed in all six: echo a >& f; echo a >&$unset; echo a 2>&f; read x <&f; echo after";
    /// More than one digit behind `>&` and `<&` is no number of a descriptor.
    copied_descriptors_have_one_digit: bool = [N, N, Y, N, N, N, N], "observed in all six: echo a >&10; echo after; x=11; echo a >&$x; echo after";
    /// The descriptor that `<>` opens where none is written.
    read_write_descriptor: u32 = [0, 0, 0, 0, 1, 0, 0], "observed in all six: echo old >f; read x <>f; echo $x; echo a <>f; cat f";
    /// The status of a copied descriptor that is no number.
    no_descriptor_status: Status = [2, 1, 2, 2, 1, 1, 1], "observed in all six: (x=; echo a >&$x); echo $?";
    /// The message about a redirection that fails goes where those before it lead.
    redirections_lead_mistakes: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: : 2>err </nosuch; test -s err";
    /// Files are opened as soon as the word of their redirection has been expanded, rather than when all have been.
    redirections_open_at_once: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: : >f1 >f2$(echo f*); echo f*";
    /// A redirection without a command runs the program that NULLCMD or READNULLCMD names.
    lone_redirection_runs: bool = [N, N, N, N, N, N, Y], "observed in all six: >f; echo $?; <f; NULLCMD=label; >f";
    /// Redirections without a command are a mistake.
    lone_redirection_fails: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt cshnullcmd; >f; x=1 >f";
    /// A here-document or here-string beside nothing but one assignment of nothing is what is assigned.
    lone_document_is_value: bool = [N, N, N, N, N, Y, N], "observed in all six, with newlines for the slashes: x=<<E / a / E / echo \"$x\"; x=<<<b; echo \"$x\"";
    /// A function that is written with parentheses shares its variables and the assignments before its call with the shell.
    plain_functions_share: bool = [N, N, N, N, Y, N, N], "observed in all six: f() { typeset x=2; }; y=1 f; echo $x $y";
    /// When `$0` is the name of the function.
    function_zero: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Keyword, WhichFunctions::Always], "observed in all six: function f { echo $0; }; f";
    /// The key of an element that is assigned must not be empty.
    empty_key_is_mistake: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: typeset -A h; h[$nosuch]=1; echo after";
    /// What becomes of attributes when a list is assigned.
    list_attributes: ListAttributes = [ListAttributes::Kept, ListAttributes::Kept, ListAttributes::Kept, ListAttributes::Kept, ListAttributes::LostUnlessBare, ListAttributes::Lost, ListAttributes::None], "observed in bash, ksh93, mksh and zsh: typeset -i a; a=(1+1); echo ${a[0]}; typeset -ua b; b=(x)";
    /// `test -v` is true of an array without elements.
    empty_arrays_are_set: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=(); [[ -v a ]]; echo $?";
    /// A backslash in an unquoted value escapes the next character of a pattern of `case` and `${x#p}`.
    value_backslash_escapes_in_text: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: x='\\l'; case l in $x) echo yes; esac";
    /// In a pattern of `[[ ]]` a backslash in a value quotes the character behind it in the same value.
    test_values_unquote: bool = [N, N, N, N, N, Y, N], "observed in mksh R59: y='a\\b'; [[ ab = $y ]]; echo $?; y='a\\'; [[ 'a\\b' = ${y}b ]]; echo $?";
    /// Groups such as `@(a|b)` count in a value that is a pattern of `case` or `${x#p}`.
    groups_in_text_values: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: x='@(a)'; case a in $x) echo yes; esac; y=aa; echo ${y#$x}";
    /// Regular expressions match characters of the locale, not bytes.
    regular_characters: bool = [Y, Y, Y, N, Y, Y, Y], "observed in bash, busybox sh, ksh93 and zsh: [[ ä =~ ^.$ ]]; echo $?";
    /// How the expression of `=~` is read.
    regular_reading: RegularReading = [RegularReading::Library, RegularReading::Library, RegularReading::Library, RegularReading::Library, RegularReading::Lenient, RegularReading::Library, RegularReading::Library], "observed in bash, ksh93 and zsh: for r in 'a{,2}' '[b-a]' '^*a' '\\d' 'a+?'; do [[ a1 =~ $r ]]; echo $?; done";
    /// The status of `[[ x =~ r ]]` where r is no regular expression.
    regular_mistake: Status = [2, 2, 2, 2, 1, 2, 1], "observed in bash, ksh93 and zsh: r='a('; [[ a =~ $r ]]; echo $?";
    /// What in the expression of `=~` quotes.
    regular_quotes: RegularQuotes = [RegularQuotes::All, RegularQuotes::OutsideBrackets, RegularQuotes::All, RegularQuotes::All, RegularQuotes::Escaped, RegularQuotes::All, RegularQuotes::Nothing], "observed in all six: [[ abc =~ \"a.c\" ]]; [[ abc =~ a\\.c ]]; [[ b =~ [a\"-\"c] ]]";
    /// What the elements of an associative array's list may be.
    associative_lists: AssociativeLists = [AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Indexed, AssociativeLists::Anything, AssociativeLists::PairsOrIndexed], "observed in all six: typeset -A m; m=(a 1 b); m=([a]=1 b 2); m=(a 1)";
    /// A declaration that gives a variable a value of another kind takes its place, though it is read-only.
    other_kinds_replace_read_only: bool = [N, N, N, N, N, N, Y], "observed in all six: readonly x=1; typeset -i x=2; typeset x=(a b); typeset +r x=3; echo $x";
    /// The elements of a list for a variable that is read-only are not expanded.
    read_only_lists_are_not_expanded: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: readonly r; r=($(echo x >f)); then ls f";
    /// An index that is given as a text to `unset`, `read` and their kin is expanded.
    index_texts_expand: bool = [N, Y, N, N, N, Y, Y], "observed in all six: i=1; unset 'a[$i]'";
    /// Utilities that are no declarations, and that take `name=(...)` as a text.
    list_text_utilities: &'static [&'static str] = [&[], &["eval", "let"], &[], &[], &[], &[], &[]], "observed in all six: eval x=(1 2); let x=(1+1)";
    /// A list whose elements have indexes makes an associative array of a name that is no array yet.
    indexed_lists_are_associative: bool = [N, N, N, N, Y, N, N], "observed in all six: a=([ab]=1 [cd]=2); echo ${!a[@]}";
    /// Single quotes around the key of an associative array in arithmetic vanish.
    arithmetic_keys_drop_quotes: bool = [N, Y, N, N, N, N, N], "observed in all six: $((a['k']))";
    /// A negative index counts from the end.
    negative_indexes: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: a=(x y); echo ${a[-1]}";
    /// Unquoted parameter expansions are split at IFS and form patterns.
    splits_parameters: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: x='a *'; echo $x";
    /// All of a text that is not a file is read before its first command is carried out.
    reads_whole: ReadsWhole = [ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::InnerTexts, ReadsWhole::Nothing, ReadsWhole::ButFiles], "observed in all six with -c, eval and .: label a, newline, fi";
    /// Wrong digits or a misplaced range keep a loop with short forms: `for x (a b) command`.
    short_loops: bool = [N, N, N, N, N, N, Y], "observed in all six: for x in a b; echo $x";
    /// What a NUL in the output of a command substitution does.
    substitution_nul: Nul = [Nul::Vanishes, Nul::Vanishes, Nul::Vanishes, Nul::Vanishes, Nul::EndsText, Nul::Vanishes, Nul::Stays], "observed in all six: echo $(printf 'a\\0b')";
    /// `typeset -i16` shows digits as capitals.
    capital_digits: bool = [N, N, N, N, N, N, Y], "observed in all six: typeset -i16 n=255; echo $n";
    /// In which order the keys of an associative array are listed.
    key_order: KeyOrder = [KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Sorted, KeyOrder::Buckets, KeyOrder::GrowingBuckets], "observed with many keys: typeset -A m; echo ${!m[@]}";
    /// Functions `name.get`, `name.set`, `name.append` and `name.unset` stand between a variable and what reads or changes it.
    disciplines: bool = [N, N, N, N, Y, N, N], "observed in all six: x=1; function x.get { .sh.value=2; }; echo $x";
    /// `name=()` and `name=(a=1 b=2)` make a compound variable, whose members are `${name.a}` and `${name.b}`;
    /// an element may be compound too, or a list.
    compound_variables: bool = [N, N, N, N, Y, N, N], "observed in all six: c=(x=1 y=2); echo \"$c\" \"${c.x}\"; a=(); echo \"${a[@]}\"; a[1]=(p q)";
    /// `unset` of a variable of the function that called this one shows the one that it hides.
    unset_reveals_callers: bool = [N, Y, N, N, N, Y, N], "observed in all six: g() { unset x; echo $x; }; f() { local x=2; g; }; x=1; f";
    /// `local x` keeps the value of x that was assigned before the call.
    local_keeps_temporary: bool = [N, Y, N, N, N, Y, N], "observed in all six: f() { local x; echo $x; }; x=12 f";
    /// Functions that are written with `function` see neither the variables of their callers nor the actions for
    /// signals, ERR and DEBUG.
    keyword_functions_are_closed: bool = [N, N, N, N, Y, N, N], "observed in all six: function g { echo ${x-none}; x=3; }; function f { typeset x=1; g; echo $x; }; f; echo $x; trap 'echo t' USR1; function k { trap; }; k";
    /// Under `set -E` subshells have the action for ERR too, and under `set -T` those for DEBUG and RETURN.
    subshells_inherit_actions: bool = [N, Y, N, N, N, N, N], "observed in all six: set -E; trap 'echo e' ERR; (false; :)";
    /// BASH_COMMAND tells the command that is being carried out.
    tells_command: bool = [N, Y, N, N, N, N, N], "observed in all six: trap 'echo $BASH_COMMAND' DEBUG; x=1; for i in a 'b c'; do :; done";
    /// `unset` of a local variable shows the one that it hides.
    unset_reveals: bool = [N, N, N, N, N, Y, N], "observed in all six: x=1; f() { local x=2; unset x; echo $x; }; f";
    /// The action for ERR is looked for before a command, which does not see one that it has set itself.
    error_action_is_early: bool = [N, Y, N, N, N, N, N], "observed in all six: trap 'echo err' ERR nosuch";
    /// A tilde is expanded in a here-string.
    here_string_tilde: bool = [N, Y, N, N, Y, N, Y], "observed in all six: read x <<< ~; echo $x";
    /// A trap on EXIT that a function sets is carried out when that returns.
    exit_trap_is_local: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Never, WhichFunctions::Always], "observed in all six: f() { trap 'echo x' EXIT; }; f; echo y";
    /// What IFS is at the start.
    first_ifs: &'static [u8] = [b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n\0"], "observed in all six: printf '%s' \"$IFS\"";
    /// With an action for EXIT, or under `set -e`, all mistakes end the shell.
    guarded_mistakes_end_shell: bool = [N, N, N, N, N, Y, N], "observed in all six: trap 'echo bye' EXIT; f() { shift 9; }; f; echo after";
    /// The status after a mistake in a here-document, if the shell goes on.
    document_mistake_status: Option<Status> = [None, None, Some(2), Some(1), Some(1), Some(1), None], "observed in all six: read x <<E with ${q?}; echo $?";
    /// A mistake in the word of a redirection ends only the command.
    redirection_mistakes_end_command: bool = [N, N, N, N, Y, N, N], "observed in all six: true >${q?}; echo after";
    /// A mistake in a here-string ends only the command.
    string_mistakes_end_command: bool = [N, N, N, N, Y, Y, N], "observed in all six: read x <<<${q?}; echo after";
    /// The redirections of a program are expanded in a process of its own.
    programs_expand_redirections: bool = [N, Y, N, N, Y, N, Y], "observed in all six: /bin/true >$((1/0)); echo after";
    /// Tildes behind `=` and colons in the words of `alias`, and of a declaration utility behind `builtin`, are
    /// expanded.
    builtin_values_have_tildes: bool = [N, N, N, N, N, N, Y], "observed in all six: alias v=a:~; alias v; in bash, mksh and zsh: builtin export y=~";
    /// `set -f` keeps braces from being expanded too.
    no_glob_keeps_braces: bool = [N, N, N, N, N, Y, N], "observed in all six: set -f; echo {a,b}";
    /// The functions in which a mistake ends only the function.
    functions_hold_mistakes: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Always, WhichFunctions::Never], "observed in all six: f() { shift 9; echo b; }; f; echo after $?; and with function f { ... }";
    /// The status of a command whose name is empty.
    empty_name_status: Status = [127, 127, 127, 127, 126, 126, 126], "observed in all six: ''; echo $?";
    /// `exec` finds the empty name in the folders of PATH, and cannot execute it.
    exec_finds_empty_name: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: (exec ''); echo $?";
    /// Letters behind a backslash in the value that is a pattern of `case` or `${x#p}` are classes, places and
    /// control characters.
    pattern_letters: bool = [N, N, N, N, Y, N, N], "observed in all six: p='\\d'; case 5 in $p) echo yes; esac, for every letter";
    /// `-` before a command puts a `-` before its name, as a login shell has it.
    dash_marks_login: bool = [N, N, N, N, N, N, Y], "observed in zsh: x=-; $x echo; $x";
    } };
}
pub(in crate::dialect) use carrying_rows;
