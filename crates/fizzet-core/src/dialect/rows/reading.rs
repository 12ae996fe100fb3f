//! The rows of the table about how a text is read.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! reading_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// The end of `${...}` is looked for first, and a bracket that closes behind it does not count.
    brackets_close_late: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: echo ${m[1}; echo b]} c";
    /// The parentheses that end an expression are looked for first, and braces in it that they cut are a mistake.
    parentheses_cut_braces: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: echo $((${a)) b}";
    /// The first bracket outside quotes that closes ends the key of an element of a list.
    first_bracket_ends_key: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: b=(1 2); a=([b[1]]=q); a=([${b[1]}]=q)";
    /// A backslash before a double quote in an expression stays.
    expressions_keep_escaped_quotes: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((\\\"1\\\"))";
    /// A function that is written with `()` has one name only.
    functions_have_one_name: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt nomultifuncdef; eval 'f g() { :; }'";
    /// Before which lists of an assignment blanks may stand.
    lists_stand_apart: ListsApart = [ListsApart::Never, ListsApart::Never, ListsApart::Never, ListsApart::Never, ListsApart::Always, ListsApart::First, ListsApart::Never], "observed in bash, ksh93, mksh and zsh: a= (x y); echo ${a[1]}; x=1 a= (p q); typeset a= (x y)";
    /// A brace behind a backslash ends no offset between double quotes.
    escaped_brace_ends_no_offset: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and mksh: echo \"${u:s/\\}/x/}\"";
    /// A line continuation may stand between the sign of a group and its parenthesis.
    groups_take_continuations: bool = [N, Y, N, N, N, Y, Y], "observed in bash with extglob, ksh93, mksh and zsh with kshglob: case foo in f*\\<newline>(o)) echo yes; esac";
    /// A here-document at whose sign the line ends has that sign for a delimiter.
    document_sign_delimits: bool = [N, N, N, N, N, Y, N], "observed in all six, with newlines for the slashes: read x << / a / << / echo $x";
    /// A newline between quotes needs a backslash before it, which is taken away.
    newlines_end_quotes: bool = [N, N, N, N, N, N, N], "observed in zsh, with a newline for the slash: setopt cshjunkiequotes; eval 'echo \"a/b\"'";
    /// A brace or a slash between parentheses ends no pattern of an operation.
    pattern_parentheses_hide_ends: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: v=x; echo ${v#*(})} ${v/@(a/b)/q}";
    /// The brace of `${x:}` ends nothing; the next one does, and cuts the word.
    colon_hides_brace: bool = [N, N, Y, Y, N, N, N], "observed in all six: x=abc; echo ${x:}q}s t";
    /// A line continuation may stand inside an operator.
    operators_take_continuations: bool = [Y, Y, Y, Y, N, Y, N], "observed in all six with a line that ends behind the first &: echo a &\\<newline>& echo b";
    /// A line continuation may stand between a descriptor and its operator.
    descriptors_take_continuations: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: echo 2\\<newline>>&1";
    /// Behind `<&` and `>&` digits before the next sign are what is copied, and not the descriptor of that.
    copies_take_numbers: bool = [N, Y, N, N, N, N, N], "observed in all six: echo a 3>&1>f; echo a >2>f";
    /// The number of a parameter has 32 bits.
    parameter_numbers: ParameterNumbers = [ParameterNumbers::Of32Bits, ParameterNumbers::FirstBeyond64Bits, ParameterNumbers::Of32Bits, ParameterNumbers::Of32Bits, ParameterNumbers::Of32Bits, ParameterNumbers::Any, ParameterNumbers::Of32Bits], "observed in all six: set -- a; echo \"${4294967297}\" \"${18446744073709551620}\"";
    /// A delimiter with quotes ends no here-document if an expansion is written in it.
    expansions_spoil_delimiters: bool = [N, N, N, N, Y, N, N], "observed in all six, with newlines for the slashes: cat <<\"E$a\" / hi / E$a / echo done";
    /// A line continuation may stand behind a dollar sign.
    dollars_take_continuations: DollarContinuations = [DollarContinuations::All, DollarContinuations::All, DollarContinuations::All, DollarContinuations::All, DollarContinuations::Braces, DollarContinuations::All, DollarContinuations::Names], "observed in all six: x=1; echo $\\<newline>x \"$\\<newline>x\" $\\<newline>{x} \"$\\<newline>{x}\" \"$\\<newline>(echo)\"";
    /// What a line continuation between the two parentheses at the end of an expression makes of it.
    split_end: SplitEnd = [SplitEnd::Expression, SplitEnd::MistakeOfCommands, SplitEnd::Expression, SplitEnd::Expression, SplitEnd::Expression, SplitEnd::Expression, SplitEnd::Commands], "observed in bash, ksh93, mksh and zsh: ((1)\\<newline>); echo $((1)\\<newline>)";
    /// Between double quotes, what `$'...'` gives in the word of `${x-word}` is read again in its place, quotes and all.
    ansi_c_is_read_again: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh, zsh: echo \"${x-$'a\\x22b c\\x22'}\"; echo \"${x-$'it\\'s'}\"; echo after";
    /// A letter behind the second colon of `${x:1:h}` is a modifier, and no length.
    lengths_are_no_letters: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; i=1; echo ${x:1:i}";
    /// Aliases are replaced in scripts without being switched on.
    aliases: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: alias l=label, newline, l a";
    /// Which parentheses the pattern of an operation may hold without quotes.
    operation_parentheses: OperationParentheses = [OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Groups, OperationParentheses::Pairs, OperationParentheses::Any], "observed in all six: echo ${x#(} ${x#)} ${x#(a)} ${x/(/} ${x/)/} ${x#*(}";
    /// A test of `[[` takes whatever word stands behind it, an operator too.
    tests_take_any_operand: bool = [N, Y, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh with each letter: [[ -f = -f ]]; [[ -f ]]; [[ -q = -q ]]";
    /// `${x/#p/r}` and `${x/%p/r}` replace at the start and at the end.
    replacement_anchors: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: x=abc; echo ${x/#a/-}";
    /// `$'...'` decodes escapes inside `\"${x-...}\"` too.
    dollar_quotes_in_quoted_brace: bool = [N, Y, N, N, N, Y, N], "observed in all six: echo \"${x-$'a\\tb'}\"";
    /// What `${x:}` is.
    empty_offset: EmptyOffset = [EmptyOffset::Zero, EmptyOffset::Bad, EmptyOffset::Zero, EmptyOffset::Refused, EmptyOffset::Zero, EmptyOffset::Bad, EmptyOffset::Bad], "observed in all six: x=abc; echo ${x:}; if false; then echo ${x:}; fi; echo after";
    /// `#` and `%` anchor a pattern behind two slashes too.
    anchors_behind_two_slashes: bool = [N, N, N, N, N, N, Y], "observed in all six: x=a%c; echo ${x//%c/r} ${x//#a/r}";
    /// Braces pair up in the pattern of a replacement between double quotes too.
    quoted_replaced_braces_nest: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: x='a{}b'; echo ${x/{}/r} \"${x/{}/r}\"";
    /// `${x::=word}` assigns whether there is a value or not.
    assigns_always: bool = [N, N, N, N, N, N, Y], "observed in all six: x=a; echo ${x::=b} $x";
    /// What cannot stand behind `${`, which is found out when the line is read.
    spoils_start: &'static [u8] = [b"", b"", b"", b"", b"+=/%:\\}", b"", b""], "observed in all six: echo a; echo ${=x}; echo ${}";
    /// `${#%}`, `${#/}`, `${#=}`, `${#+}` and `${#:}` are lengths of parameters that do not exist.
    odd_length_is_bad: bool = [N, Y, Y, Y, Y, N, N], "observed in all six: echo ${#%}, ${#/}, ${#=}, ${#+}, ${#:}";
    /// A syntax error in `name=(...)` ends only the line it is on.
    array_error_ends_line: bool = [N, Y, N, N, N, N, N], "observed in all six: a=(x;y), newline, echo after";
    /// A `for` variable that is no name is found out when the loop runs: its status is 1.
    late_for_names: bool = [N, Y, N, N, N, N, N], "observed in all six: for 1 in a; do :; done; echo after";
    /// `0x` without digits is 0.
    empty_hexadecimal: bool = [N, Y, N, N, N, N, Y], "observed in bash: echo $((0x))";
    /// Behind `fi` and `done` a reserved word needs a separator before it.
    closers_need_separators: bool = [N, N, N, N, N, N, Y], "observed in all six: if :; then if :; then echo a; fi fi";
    /// Brackets open and close inside of a group of a pattern.
    groups_close_brackets: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo *(a|b[); echo *(a]b); echo *([)])";
    /// Reading the line, the shell refuses signs in `${...}` that go on no name, and a lone single quote in
    /// `"${x-word}"`, though that is text when it is expanded. In a here-document, which it reads like that when it is
    /// expanded, such quotes say where the `${...}` ends, of which nothing counts behind the first brace.
    braces_are_read_strictly: bool = [N, N, N, N, Y, N, N], "observed in ksh93u+m: echo ${#-[}; echo ${!1}; echo \"${x-'}\"; cat <<E with ${x+'}'} a; with ${x+it's}; with ${u-a'b}c'd} e";
    /// In an unquoted `${x-...}` braces nest.
    braces_nest: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo ${z-{a}b}";
    /// A `((` that begins no expression is two parentheses, and the second begins none with what follows it.
    failed_parentheses_are_two: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: (((label a)); label b)";
    /// Braces with a parenthesis right behind them stay as they are.
    parenthesis_keeps_braces: bool = [N, N, N, N, Y, N, N], "observed in ksh93u+m: x='(a'; echo {c,d}$x";
    /// Expansions in double quotes in a pattern count as unquoted in a here-document.
    document_patterns_unquote: bool = [N, N, Y, Y, N, N, N], "observed in all six: y='a*'; read -r z <<E; echo $z; with ${y#\"$y\"} in the document";
    /// The first brace ends an operation where its word is read, also in a pair: braces pair up only where the
    /// word is put in place.
    first_brace_ends_operation: bool = [N, N, N, N, Y, N, N], "observed in ksh93u+m: echo ${z-{a} ${z+{a}} ${z={a,b}} $z";
    /// Between double quotes `\\}` in the word of an operation is a brace.
    inner_quotes_escape_brace: bool = [N, N, Y, Y, Y, N, N], "observed in all six: y=; echo ${y+\"\\}\"}";
    /// Between double quotes, the quotes in the word of `${x-word}` are taken out before the word is read.
    inner_quotes_vanish: bool = [N, Y, N, N, N, N, N], "observed in all six: x=b; echo \"${v-$x\"a b\"}\" \"${v-'\"'}\"";
    /// What `$((` or `((` begins is an expression only if its brackets are in pairs.
    expressions_pair_brackets: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((])); echo after";
    /// The body of a loop may be one command without `do` and `{`.
    lone_bodies: bool = [N, N, N, N, N, N, Y], "observed in all six: for x in a b; echo $x; in zsh also behind unsetopt shortloops";
    /// So may that of `repeat`.
    lone_repeated_bodies: bool = [N, N, N, N, N, N, Y], "observed in zsh: repeat 2 echo a; also behind unsetopt shortloops and setopt shortrepeat";
    /// A bracket in `((...))` or `$((...))` that nothing closes makes the command no command.
    arithmetic_brackets_close: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: echo a; echo $((x[)); echo b";
    /// A body of a loop without `do` ends with `end`.
    end_ends_loops: bool = [N, N, N, N, N, N, N], "observed in zsh with its option cshjunkieloops: for f in a b; echo $f; end";
    /// `$((` ends where its parentheses are in pairs. It is an expression if they are so outside of quotes too, when
    /// the commands in it have been printed anew; what else it is, shows when it is carried out.
    doubled_parentheses_are_counted: bool = [N, Y, N, N, N, N, N], "observed in all six: echo $((if) ); echo $(($(case 1 in (1) echo 1;; esac)+1))";
    /// What cannot be read in `$(...)` is found when it is carried out, and ends the shell there.
    parentheses_read_late: bool = [N, N, N, N, Y, N, N], "observed in all six: echo a; echo $(fi); if false; then echo $(for); fi";
    /// `!` cannot be the word of a `case`.
    case_refuses_bang: bool = [N, N, N, N, Y, N, N], "observed in all six: case ! in *) echo y;; esac";
    /// A colon before `#` and `%` in `${x#p}` changes nothing.
    colon_before_removal: bool = [N, N, N, N, Y, Y, N], "observed in all six: x=ab; echo ${x:#a} ${x:%%b*}";
    /// In a here-document, `$(` in the operand of `${x#p}`, `${x/p/r}` or `${x:n}` is an error.
    document_operands_hold_no_commands: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: x=a; cat <<E with ${x/a/$(echo b)}";
    /// A brace that is the word of a `case`, and a closing one at the start of an argument in `$(`, are errors.
    lone_braces_are_refused: bool = [N, N, N, N, Y, N, N], "observed in all six: case { in *) echo y;; esac; echo $(echo a })";
    /// The quotes and backslashes in the expression of `((...))` quote, and vanish.
    arithmetic_command_drops_quotes: bool = [N, N, N, N, N, Y, N], "observed in all six: ((x=3\"4\")); echo $x";
    /// Inside `\"${x-...}\"` single quotes keep a `}` from closing the expansion.
    single_quotes_hide_brace: bool = [N, Y, N, N, N, N, N], "observed: echo \"${z-'}'}\"";
    /// `$10` is parameter 10 rather than `$1` followed by `0`.
    unbraced_digits: bool = [N, N, N, N, N, N, Y], "observed in all six: set -- a; echo $10";
    /// `$'...'` decodes escapes.
    dollar_single_quotes: bool = [Y, Y, N, Y, Y, Y, Y], "observed in all six: echo $'a\\tb'";
    /// `$\"...\"` is a double-quoted string without the dollar.
    dollar_double_quotes: bool = [N, Y, N, N, Y, Y, N], "observed in all six: echo $\"a\"";
    /// `$[...]` is an arithmetic expansion.
    dollar_brackets: bool = [N, Y, N, N, N, N, Y], "observed in all six: echo $[1+1]";
    /// Groups such as `@(a|b)` are patterns without being switched on.
    extended_patterns: bool = [N, N, N, N, Y, Y, N], "observed: case ab in @(ab|c)) echo y;; esac";
    /// `<(...)` and `>(...)` stand for a file.
    process_substitution: bool = [N, Y, N, Y, Y, N, Y], "observed: echo <(:)";
    /// What a process substitution is for `$!` and `wait`.
    processes_are_jobs: ProcessesAreJobs = [ProcessesAreJobs::No, ProcessesAreJobs::Remembered, ProcessesAreJobs::No, ProcessesAreJobs::No, ProcessesAreJobs::Readers, ProcessesAreJobs::No, ProcessesAreJobs::No], "observed in bash, ksh93 and zsh: : <(exit 3); wait $!; echo $?; : >(exit 4); wait $!; echo $?";
    /// `=(list)` at the start of a word is the name of a file with what the commands print.
    process_files_are_real: bool = [N, N, N, N, N, N, Y], "observed in all six: cat =(echo a)";
    /// `name+=value` appends.
    append_assignment: bool = [N, Y, N, N, Y, Y, Y], "observed: a=1; a+=2; echo $a";
    /// What `${!x}` expands.
    indirection: Indirection = [Indirection::None, Indirection::Value, Indirection::None, Indirection::None, Indirection::Name, Indirection::Name, Indirection::None], "observed: y=x; x=1; echo ${!y}";
    /// `${!x*}` lists the names that begin with x.
    name_listing: bool = [N, Y, N, N, Y, N, N], "observed in all six: xa=1; echo ${!x*}";
    /// It lists nothing for a prefix that goes on with what no name has, and is no mistake.
    name_listing_takes_any_prefix: bool = [N, Y, N, N, N, N, N], "observed in all six: c=1; echo \"${!c.*}\" \"${!c;@}\"; echo $?";
    /// `${x:offset:length}` takes a part of the value.
    substrings: bool = [N, Y, N, Y, Y, Y, Y], "observed: x=abc; echo ${x:1:1}";
    /// `${x^}` and `${x,}` change case.
    case_change: bool = [N, Y, N, N, N, N, N], "observed: x=abc; echo ${x^}";
    /// `${x@Q}` and its kin transform the value.
    transformations: bool = [N, Y, N, N, N, Y, N], "observed: x=abc; echo ${x@Q}";
    /// `$((` always begins an arithmetic expansion, even where it could be a command substitution.
    arithmetic_is_final: bool = [N, N, Y, Y, N, N, N], "observed: echo $((1)";
    /// There are process substitutions in the word of an unquoted operation.
    operations_substitute_processes: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: echo ${x:-<(echo a)}";
    /// A word with quotes behind an alias that ends in a blank leaves the next word to be replaced.
    quoted_words_pass_aliases_on: bool = [N, Y, N, N, N, N, N], "observed in all six: alias e='echo ' w='a b'; and then e 'w' w";
    /// When the lines of a here-document become one that end in a backslash.
    joined_lines_of_documents: JoinedLines = [JoinedLines::WithWords, JoinedLines::First, JoinedLines::InTurn, JoinedLines::InTurn, JoinedLines::FirstWithTabs, JoinedLines::First, JoinedLines::FirstWithTabs], "observed in all six: cat <<E, $(echo 'a\\, b'), E; cat <<-E, <tab>\\, <tab>b, E";
    /// The commands of a substitution in a here-document are read as such: no line in them ends it, and tabs stay.
    documents_see_substitutions: bool = [N, N, Y, Y, N, N, N], "observed in all six: cat <<-E, $(echo 'a, <tab>b', E), E";
    /// Where continued lines make up the delimiter of a here-document together.
    continued_delimiters: Continued = [Continued::AtStart, Continued::Joined, Continued::AtStart, Continued::AtStart, Continued::Never, Continued::Joined, Continued::BehindTabs], "observed in all six: cat <<END, E\\, ND; cat <<END, \\, END; the same with <<- and tabs";
    /// When a delimiter behind `<<-` that begins with tabs is found.
    tabs_before_delimiter: DelimiterTabs = [DelimiterTabs::Never, DelimiterTabs::AsWritten, DelimiterTabs::Never, DelimiterTabs::Never, DelimiterTabs::Stripped, DelimiterTabs::Never, DelimiterTabs::Stripped], "observed in all six: cat <<-'(tab)END' and lines with no, one or two tabs";
    /// What ends a here-document besides a line that is its delimiter.
    document_end: DocumentEnd = [DocumentEnd::Line, DocumentEnd::InSubstitution, DocumentEnd::Line, DocumentEnd::Line, DocumentEnd::BeforeParenthesis, DocumentEnd::BeforeCloser, DocumentEnd::Line], "observed in all six: x=$(cat <<E, a line, E)";
    /// A here-document that the text ends in is an error.
    unclosed_document_is_fatal: bool = [N, N, N, N, N, Y, N], "observed: cat <<E";
    /// So is one that is read behind a line that ends with a compound command.
    compounds_close_documents: bool = [N, N, N, N, Y, N, N], "observed in all six: { cat; } <<E; cat <<E; { :; }; { cat; } <<E; with a semicolon, each with one more line";
    /// The last line of a here-document that the text ends in has a newline even if none is written.
    last_lines_of_documents_end: bool = [N, Y, N, N, N, N, N], "observed in all six: eval \"read x <<E<newline>b\"; echo $?";
    /// A compound command may have an empty body.
    empty_bodies: EmptyBodies = [EmptyBodies::Never, EmptyBodies::Never, EmptyBodies::Never, EmptyBodies::Never, EmptyBodies::Never, EmptyBodies::OutsideIf, EmptyBodies::Anywhere], "observed in all six: if :; then fi; { }; ( ); while do break; done; (exit 3); if then echo $?; fi";
    /// How many redirections one command may have.
    most_redirects: Option<usize> = [None, None, None, None, None, Some(10), None], "observed in all six: : with 11 times >a";
    /// `&>&` makes both outputs copies.
    copy_both: bool = [N, N, N, N, N, Y, N], "observed in all six: echo a 3>f &>&3";
    /// `&>>` sends both outputs to the end of a file, where `&>` sends them to a file.
    append_both: bool = [N, Y, N, N, N, Y, Y], "observed in all six: : &>>f";
    /// `time` before a pipeline is a reserved word.
    time_reserved: bool = [N, Y, N, N, Y, Y, Y], "observed: time :";
    /// Where `coproc` may stand alone, and does nothing.
    lone_coprocess: LoneSign = [LoneSign::Never, LoneSign::Never, LoneSign::Never, LoneSign::Never, LoneSign::Never, LoneSign::Never, LoneSign::NotBefore(&["&", "|"])], "observed in bash and zsh: coproc; echo $? $!; coproc && echo a; (coproc); coproc | :; coproc &";
    /// `((` without `))` reaches to the end of the text.
    open_parentheses_end_with_text: bool = [N, N, N, N, N, Y, N], "observed in all six: echo a; ((, with nothing behind it; (( x ; y; (( x )";
    /// Where `!` may stand alone.
    lone_negation: LoneSign = [LoneSign::Never, LoneSign::BeforeSeparators, LoneSign::Never, LoneSign::Never, LoneSign::NotBefore(&["|"]), LoneSign::Never, LoneSign::NotBefore(&["&", "|"])], "observed in all six: ! ; echo $?; (!); ! && echo a; if ! then :; fi; ! | :; case a in a) ! ;; esac";
    /// Where `time` may stand alone.
    lone_time: LoneSign = [LoneSign::Never, LoneSign::BeforeSeparators, LoneSign::Never, LoneSign::Never, LoneSign::NotBefore(&["|"]), LoneSign::NotBefore(&[]), LoneSign::NotBefore(&["&"])], "observed in all six: time; (time); time && echo a; { time }; time | :";
    /// Before what the body of a function may be missing.
    empty_function_bodies: &'static [&'static str] = [&[], &[], &[], &[], &["&", "|", "}", ")"], &["&", "|", ";", "}", ")"], &[]], "observed in all six: f() ; echo a; f() && echo a; { f() }; (f())";
    /// At the end of the text the body of a function may be missing, one behind `function` and one behind parentheses.
    bodies_may_be_missing: (bool, bool) = [(N, N), (N, N), (N, N), (N, N), (N, N), (Y, Y), (Y, N)], "observed in all six: eval 'f()'; eval 'function f'";
    /// Where a semicolon may stand with no command before it.
    lone_semicolons: LoneSemicolons = [LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::One, LoneSemicolons::None, LoneSemicolons::Newlines], "observed in all six: if; then; fi; true && ; echo a; { ; echo a; }; echo a; ; echo b";
    /// `${a.b}` names a member of a variable.
    dotted_names: bool = [N, N, N, N, Y, N, N], "observed in all six: echo ${x.y-none} ${.sh.version}";
    /// A colon in the length of `${x:1:2}` belongs to the number.
    length_takes_colons: bool = [N, Y, N, Y, N, N, N], "observed in bash, busybox sh, ksh93 and mksh: echo ${x:1:2:3}; echo after";
    /// `&&` and `||` may be the last in a list.
    connectors_may_end: bool = [N, N, N, N, N, N, Y], "observed in all six: { echo a && }; x=$(echo a ||)";
    /// The parameters are variables too: `2=x`, `argv=(a b)`, `for 1 in a b`.
    parameters_are_variables: bool = [N, N, N, N, N, N, Y], "observed in all six: 2=x; argv[3]=y; echo $argv";
    /// A slash between quotes ends the pattern of `${x/p/r}`.
    quoted_slash_ends_pattern: bool = [N, N, N, Y, N, N, N], "observed in bash, busybox sh, ksh93, mksh and zsh: y=l/ime; echo ${y/\"l/i\"/Q}";
    /// A `${x/p}` without a second slash takes it, and what is behind it, from the rest of the word.
    replacements_reach_on: bool = [N, N, N, Y, N, N, N], "observed in bash, busybox sh, ksh93, mksh and zsh: y=lime; echo ${y/l}/z";
    /// Every backslash before a slash is taken out of the text of the pattern of `${x/p/r}`, inside quotes and
    /// other expansions too, before anything in it is read.
    backslashes_leave_slashes: bool = [N, N, N, N, N, N, Y], "observed in zsh: x=b u=ba; echo ${x/${u\\/a}/q}; x=a/b; echo ${x/\"\\/\"/q}";
    /// A quote in the pattern of `\"${x#p}\"` or `${x/p/r}` quotes only if its partner stands before the
    /// end of the pattern.
    pattern_quotes_need_pairs: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo \"${x%'}b'}\" ${x//'/'/-}";
    /// What of an expression has been evaluated when something in it is found to be wrong.
    arithmetic_while_reading: WhileReading = [WhileReading::Nothing, WhileReading::Ahead, WhileReading::Nothing, WhileReading::Operators, WhileReading::Nothing, WhileReading::Ahead, WhileReading::Operators], "observed in all six: let 'x = 3, y = )'; echo $x";
    /// `++` and `--` before a variable in parentheses change it too; behind it, they do where it can be assigned.
    parentheses_step: bool = [N, N, N, N, N, N, Y], "observed in mksh and zsh: x=1; echo $(((x)++)) $x; echo $((++(x))) $x";
    /// A sign that is no operator of arithmetic is refused as soon as it is read.
    arithmetic_refuses_signs: bool = [N, Y, N, N, N, N, N], "observed in bash and mksh: let 'x=3 {'; echo $x; let x=3.; echo $x";
    /// A number with a base beyond the largest is a decimal one.
    large_base_is_ten: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo $((65#12))";
    /// An empty delimiter, as in `<<""`, is the name of a file that cannot be opened, and the text up to its end is lost.
    empty_delimiters_open_nothing: bool = [N, N, N, N, Y, N, N], "observed in all six: cat <<\"\"; echo a, with lines behind it";
    /// What quotes and backslashes in the word of `${x-word}` do in a here-document.
    document_quotes: DocumentQuotes = [DocumentQuotes::Quoted, DocumentQuotes::BackslashQuotes, DocumentQuotes::Quoted, DocumentQuotes::Quoted, DocumentQuotes::SinglesToo, DocumentQuotes::BackslashOutside, DocumentQuotes::Unescaped], "observed in all six: read -r x <<E with ${z-\"a\\b\"}, ${z-a\\b}, ${z-\"a 'b'\"}";
    /// `'\\n'` in arithmetic is the code of the newline.
    arithmetic_character_escapes: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo $(('\\n'))";
    /// `\\/` in the replacement of `${x/p/r}` keeps its backslash.
    replacement_keeps_escaped_slash: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo ${x/b/\\/}";
    /// Behind a `[[` that no `]]` has ended `&&` and `||` are words.
    brackets_hide_connectors: bool = [N, N, N, Y, N, N, N], "observed in busybox: [[ -f lid && -d combs ]]; echo $?; echo [[ a && echo b";
    /// A test of a name that is not known, with one operand or more, is found out when it is carried out.
    tests_are_looked_for: bool = [N, N, N, N, N, N, Y], "observed in all six: [[ x || -qq a ]]; echo $?; [[ x || -qq a b c ]]; echo $?; [[ x || a -qq b ]]";
    /// In `[[` an operator with two operands may be quoted.
    test_operators_may_be_quoted: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: [[ a \\< b ]]; [[ a \"=\" a ]]; [[ 1 '-eq' 1 ]]";
    /// In `[[` newlines may stand between an operator and its operands, and behind a lone word.
    newlines_between_operands: bool = [N, N, N, N, N, N, Y], "observed in all six: [[ a, newline, && b ]]; [[ -n, newline, a ]]";
    /// The parentheses of `name()` stand together.
    function_parentheses_touch: bool = [N, N, N, N, N, N, Y], "observed in all six: f ( ) { echo a; }";
    /// `|&` pipes standard error too.
    pipe_both: bool = [N, Y, N, N, N, N, Y], "observed: echo a |& cat";
    /// `select` is a reserved word.
    select: bool = [N, Y, N, N, Y, Y, Y], "observed: select x in a; do :; done";
    /// `function name` defines a function.
    function_keyword: bool = [N, Y, N, Y, Y, Y, Y], "observed: function f { :; }";
    /// `[[` begins a conditional expression.
    double_brackets: bool = [N, Y, N, N, Y, Y, Y], "observed: [[ a ]]";
    /// `((` begins an arithmetic command.
    double_parentheses: bool = [N, Y, N, N, Y, Y, Y], "observed: ((1))";
    /// `coproc` begins a coprocess.
    coprocesses: bool = [N, Y, N, N, N, N, Y], "observed: coproc :";
    /// `coproc` stands neither behind a bar nor behind `!`.
    coprocesses_begin_lists: bool = [N, N, N, N, N, N, Y], "observed in bash and zsh: : | coproc true; ! coproc true";
    /// `for ((a; b; c))` is a loop.
    arithmetic_for: bool = [N, Y, N, N, Y, N, Y], "observed: for ((i=0;i<2;i++)); do :; done";
    /// A loop body may be written in braces.
    braces_as_loop_body: bool = [N, Y, N, N, Y, Y, Y], "observed: for i in a; { echo $i; }";
    /// `;;&` goes on comparing.
    case_continue_ampersand: bool = [N, Y, N, N, N, Y, N], "observed: case a in a) echo 1;;& a) echo 2;; esac";
    /// `;|` goes on comparing.
    case_continue_bar: bool = [N, N, N, N, N, Y, Y], "observed: case a in a) echo 1;| a) echo 2;; esac";
    /// `;&` runs the next body.
    case_fall: bool = [Y, Y, N, N, Y, Y, Y], "observed: case a in a) echo 1;& b) echo 2;; esac";
    /// The status of a shell that cannot give a function its name.
    function_name_status: Status = [2, 2, 2, 2, 1, 1, 1], "observed in bash and ksh93: (break() { :; }); echo $?, in bash with set -o posix";
    /// A function gets no name that a variable could not have once its definition is carried out; so it is in bash's
    /// POSIX mode too.
    made_functions_have_names: bool = [N, N, N, N, Y, N, N], "observed in bash and ksh93: set -o posix; a-b() { :; }; echo after";
    /// Such a name ends the shell as `exit` does.
    bad_function_name_exits: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: set -o posix; eval 'a-b() { :; }'; echo after";
    /// A function that an alias gives its name is a syntax error.
    functions_refuse_aliases: bool = [N, N, N, N, N, N, Y], "observed in all six: alias hive=jar; eval 'hive() { :; }'; echo $?";
    /// A function may have a name that is no variable name.
    any_function_name: bool = [N, Y, N, N, Y, Y, Y], "observed: a-b() { :; }";
    /// A function body may be a simple command.
    simple_function_bodies: bool = [N, N, Y, Y, Y, Y, Y], "observed: f() echo a";
    /// The variable of `{name}>file` may be an element.
    elements_name_descriptors: bool = [N, Y, N, N, Y, N, N], "observed in bash, ksh93 and zsh: exec {a[1]}>f; echo ${a[1]}";
    /// Blanks may stand behind `{name}` and before the sign of a redirection.
    named_descriptors_take_blanks: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: echo {v} >f; cat f";
    /// `{name}>file` picks a descriptor.
    named_descriptors: bool = [N, Y, N, N, Y, N, Y], "observed: : {fd}>/dev/null";
    /// A descriptor before a redirection may have several digits.
    long_descriptors: bool = [Y, Y, N, Y, N, N, N], "observed: echo 12>&1";
    /// `>>&` is `&>>`, and `!` or `|` behind an operator of output lets it write over files.
    overwriting_marks: bool = [N, N, N, N, N, N, Y], "observed in all six: echo a >! f; echo b >>| f; echo c >>& f; cat f";
    /// `&>` redirects both outputs.
    redirect_both: bool = [N, Y, N, Y, Y, Y, Y], "observed: echo a &>/dev/null";
    /// `&>|` redirects both outputs, also to a file that is there under `set -C`.
    overwrite_with_both: bool = [N, N, N, N, N, Y, Y], "observed in all six: set -C; : >f; : &>|f; echo $?";
    /// `<<<` is a here-string.
    here_strings: bool = [N, Y, N, N, Y, Y, Y], "observed: cat <<<a";
    /// Arithmetic has `**`.
    arithmetic_power: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: echo $((2**3))";
    /// Arithmetic has `++` and `--`.
    arithmetic_steps: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: i=1; echo $((i++))";
    /// Words that begin no command, besides those that go on or end a compound one.
    never_commands: &'static [&'static str] = [&["in"], &["in", "]]"], &["in"], &["in"], &["in"], &["in"], &["end"]], "observed in all six: in; ]]; in() { :; }; end";
    /// Reserved words that count behind assignments and redirections, where none may stand.
    reserved_behind_assignments: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], MISPLACED_ZSH], "observed in all six: x=1 then; >f then; x=1 !";
    /// Which reserved words count behind the redirections of a compound command.
    reserved_behind: ReservedBehind = [ReservedBehind::Esac, ReservedBehind::None, ReservedBehind::Esac, ReservedBehind::Esac, ReservedBehind::None, ReservedBehind::All, ReservedBehind::Braces], "observed in all six: if { :; } >f then echo a; fi; case x in x) { :; } >f esac; if while :; do break; done >f then echo a; fi";
    /// What may stand behind redirections that begin a command.
    behind_redirections: BehindRedirections = [BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Parentheses, BehindRedirections::Subshells, BehindRedirections::Commands], "observed in all six: >f (echo a); >f ((1)); >f { echo a; }; >f if true; then echo a; fi";
    /// In arithmetic `--1` is minus minus 1.
    arithmetic_double_signs: bool = [Y, Y, Y, Y, N, N, N], "observed in all six: echo $((--1))";
    /// Arithmetic has the comma operator.
    arithmetic_comma: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: echo $((1,2))";
    /// A constant with a leading zero is octal.
    arithmetic_octal: bool = [Y, Y, Y, Y, N, N, N], "observed in all six: echo $((010))";
    /// Digits behind a leading zero that are not all octal are a decimal number.
    wrong_octal_is_decimal: bool = [N, N, N, N, Y, N, N], "observed in all six; in ksh93 behind set -o posix: echo $((010)) $((08)) $((019))";
    /// The largest base of constants such as `16#ff`; 0 where there are none.
    arithmetic_largest_base: u32 = [0, 64, 0, 64, 64, 36, 36], "observed in all six: echo $((64#_))";
    /// An `@` is the digit 9 of bases up to 36.
    at_sign_is_nine: bool = [N, N, N, Y, N, N, N], "observed in busybox: echo $((16#@)) $((36#z@))";
    /// A digit with blanks and a `#` behind it counts for nothing before a number.
    divided_bases_vanish: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo $((8 #7)) $((1 # 12)) $((2 #101+1))";
    /// An empty expression is 0.
    empty_arithmetic_is_zero: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: echo $(( ))";
    /// What counts as a blank inside an expression.
    arithmetic_blanks: &'static str = [" \t\n", " \t\n", " \t\n", " \t\n\x0b\x0c\r", " \t\n", " \t\n\x0b\x0c\r", " \t\n"], "observed in all six: x=$(printf '\\r7'); echo $(($x))";
    /// What counts as a blank before a number besides.
    arithmetic_blanks_before_numbers: &'static str = ["", "", "", "", "\x0b\x0c\r", "", ""], "observed in all six: x=$(printf '\\r7'); echo $(($x))";
    /// The end of an expression closes the parentheses that it begins with.
    arithmetic_end_closes: bool = [N, N, N, Y, N, N, N], "observed in all six: x='(1+2'; echo $(($x))";
    /// Underscores inside numbers are passed over.
    arithmetic_underscores: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((1_000))";
    /// `inf` and `nan` are numbers.
    arithmetic_infinities: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo $((inf))";
    /// `for x (a b)`, bodies without `do`, `repeat`, `foreach`, `always`, functions without a name and
    /// with several.
    short_forms: bool = [N, N, N, N, N, N, Y], "observed in zsh: for x (a b) echo $x; repeat 2 echo b; () { echo $1 } c";
    /// Behind the name in a braced expansion these cannot be read; what else is no operation is a bad
    /// substitution once it is expanded.
    spoils_expansion: &'static [u8] = [b"", b"", b"", b"", b"^,~&;|<>() \t\n'\"`{]", b"", b""], "observed in all six: label a; label ${x^}";
    /// How `$'...'` decodes its escapes.
    dollar_escapes: &'static DollarEscapes = [&escapes::BASH, &escapes::BASH, &escapes::BASH, &escapes::BUSYBOX, &escapes::KSH93, &escapes::MKSH, &escapes::ZSH], "observed with each letter";
    /// How the constants of reals are written.
    real_constants: RealConstants = [RealConstants::Plain, RealConstants::Plain, RealConstants::Plain, RealConstants::Plain, RealConstants::Lenient, RealConstants::Plain, RealConstants::Plain], "observed in ksh93 and zsh: echo $((0x1.8p1)) $((1e)) $((1e+)) $((.)) $((0e1)) $((1e4294967297))";
    /// Plus signs before the end of an expression count for nothing.
    plus_signs_at_end: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((+)) $((+ +)) $((1,+)) $((-+))";
    /// `?:` with nothing between the signs is another `||`.
    empty_choice_is_or: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((0?:3)) $((0?:0)) $((1?:0?7:9))";
    /// Arithmetic has `^^`, and `&&=`, `||=`, `^^=` and `**=`.
    arithmetic_logic_assigns: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((5 ^^ 3)); x=2; echo $((x **= 3)) $((x &&= 0))";
    /// `[#16]` before an expression says how its value is shown.
    arithmetic_shows_bases: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $(([#16] 255))";
    /// Arithmetic has functions such as `sqrt`.
    arithmetic_functions: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((sqrt(16)))";
    /// Arithmetic has constants such as `0b101`.
    arithmetic_binary: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((0b101))";
    /// What quotes in an arithmetic expression do.
    arithmetic_quotes: Quotes = [Quotes::Vanish, Quotes::Vanish, Quotes::Stay, Quotes::Stay, Quotes::Separate, Quotes::Stay, Quotes::Separate], "observed in all six: echo $((1\"0\"))";
    /// A plus sign before a variable is nothing at all, so that it can be assigned and stepped behind it.
    plus_before_variables_is_nothing: bool = [N, N, N, N, Y, N, N], "observed in ksh93: a=5; echo $((+++a)) $((++ + a)) $((+a=3)) $a";
    /// A comma at the end of an expression is nothing.
    last_comma_is_nothing: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((1,)); echo $(((1,)))";
    /// A name in an expression may hold points: the members of compound variables.
    arithmetic_members: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo $((a.b)) $((a.b.c+1)) $((a.1))";
    /// A byte that no expression can hold ends it: what stands before it is computed, and then it is a mistake.
    no_signs_end_expressions: bool = [N, N, N, N, N, N, Y], "observed in zsh: let 'x=3;'; echo $? $x; let '0@'; echo $?";
    /// `{name}>file` stands behind no compound command.
    compounds_name_no_descriptors: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: { echo a; } {v}>f; [[ a ]] {v}>f; echo a {v}>f";
    /// A base in front of `#` that begins with a zero is refused.
    bases_begin_with_no_zero: bool = [N, Y, N, Y, N, N, N], "observed in all six: echo $((02#1)) $((010#1)) $((016#1))";
    /// The digits behind `0#` say their base themselves, as a constant of C does.
    base_zero_is_none: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((0#12)) $((0#0x1f)) $((0#017)) $((0#))";
    /// A variable in parentheses can be assigned: `(x)=1`.
    parentheses_are_assigned: bool = [N, N, N, N, N, Y, Y], "observed in all six: echo $(((x)=1)) $(((x)+=1))";
    /// `1#c` is the code of a character.
    base_one_is_a_character: bool = [N, N, N, N, N, Y, N], "observed in all six: echo $((1#0))";
    /// What `#` means where a value stands.
    arithmetic_sign: ArithmeticSign = [ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Zero, ArithmeticSign::Parameters], "observed in all six: echo $((#)); x=a; echo $((#x))";
    /// What a constant with a base and no digits is.
    empty_digits: EmptyDigits = [EmptyDigits::Refused, EmptyDigits::Refused, EmptyDigits::Refused, EmptyDigits::Zero, EmptyDigits::ZeroFromTen, EmptyDigits::Zero, EmptyDigits::Zero], "observed in all six: echo $((2#)) $((10#)) $((64#))";
    /// The numbers of an expression are all reals.
    numbers_are_reals: bool = [N, N, N, N, N, N, N], "observed in zsh, where an option makes them so: setopt force_float; echo $((3/4))";
    /// A name before a parenthesis in an expression is a function that `functions -M` has made.
    shell_math_functions: bool = [N, N, N, N, N, N, Y], "observed in zsh: functions -M f; f() { (( $1 * 2 )); }; echo $(( f(3) ))";
    /// Shifts and bit operators bind more tightly than all others.
    bits_bind_first: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((1+2<<3))";
    /// Where words are looked up behind an alias that ends in a blank.
    aliases_behind_blank: AliasesBehindBlank = [AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Lists, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere], "observed in all six: alias a='for ' b='i in'; then a b c; do echo $i; done";
    /// What a line says of characters by their numbers counts as the locale stands when it is read.
    locale_changes_rows: bool = [N, Y, N, N, N, N, N], "observed in bash: LC_ALL=C, newline, printf '%b %q' '\\u00e9' é; echo $'\\u00e9'";
    /// The blanks that count at the end of an alias.
    alias_blanks: &'static [u8] = [b" \t", b" \t", b" \t", b" \t", b" \t", b" \t", b" "], "observed in all six: alias t='echo<tab>' w=W; then t w";
    /// A blank behind a backslash at the end of an alias counts.
    escaped_blank_of_alias_counts: bool = [Y, Y, N, N, N, Y, Y], "observed in all six: alias t='echo \\ ' w=W; then t w";
    /// Words that are reserved before they are looked up as aliases, where a command begins.
    reserved_before_aliases: &'static [&'static str] = [RESERVED, &["}"], RESERVED, RESERVED_BUSYBOX, RESERVED_KSH, RESERVED_MKSH, &[]], "observed in all six: alias while=x; then while false; do :; done; and so on";
    /// What quotes or expansions in the name of a function that is defined do.
    quoted_function_names: QuotedNames = [QuotedNames::Refused, QuotedNames::Late, QuotedNames::Refused, QuotedNames::Refused, QuotedNames::Taken, QuotedNames::Taken, QuotedNames::Expanded], "observed in all six: 'a b'() { echo in; }; 'a b'; f{1,2}$x() { echo in; }; f1";
    /// Names besides those of the special built-in utilities that no function may have; any may where this is nothing.
    reserved_function_names: Option<&'static [&'static str]> = [Some(&[]), None, Some(&["local"]), Some(&["local", "source"]), Some(&["typeset"]), None, None], "observed in all six, with the name of each utility: set() { :; }; echo after";
    /// The names of functions are looked at when they are defined.
    function_names_are_checked_late: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo a; set() { :; }; echo after";
    /// A list that other text follows directly is a text itself.
    lists_go_on_as_text: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: a=(4*3)/2; echo $a; let a=(4*3)/2; echo $a";
    /// The patterns of `case` may be empty, and hold blanks in parentheses.
    loose_case_patterns: bool = [N, N, N, N, N, N, Y], "observed in all six: case '' in a|) echo 1;; esac; case 'a b' in (a b) echo 2;; esac";
    /// How many here-documents can begin on one line.
    most_documents: usize = [usize::MAX, 16, usize::MAX, usize::MAX, usize::MAX, 10, usize::MAX], "observed in all six: : <<A <<A <<A ... 9 to 40 times";
    /// Behind which assignments and redirections the name of a command is replaced if it is an alias.
    aliases_behind: AliasesBehind = [AliasesBehind::Both, AliasesBehind::Either, AliasesBehind::Both, AliasesBehind::Both, AliasesBehind::Either, AliasesBehind::Both, AliasesBehind::Both], "observed in all six: alias a='echo x'; then x=1 a, </dev/null a, x=1 </dev/null a, </dev/null x=1 </dev/null a";
    /// What stands between the text of an alias and the text behind its name.
    end_of_alias: EndOfAlias = [EndOfAlias::BlankBehindWord, EndOfAlias::BlankBehindWord, EndOfAlias::Joined, EndOfAlias::Joined, EndOfAlias::Joined, EndOfAlias::Joined, EndOfAlias::BlankUnlessThere], "observed in all six: alias a='echo 0' q='echo \"b' d='echo $', then a>&2, q;c\", d(echo x), each on a line";
    /// In quotes inside the word of an operation that is quoted itself, a backslash quotes any character.
    inner_backslash_quotes_all: bool = [N, Y, N, N, Y, N, N], "observed in all six: foo=1; echo \"${foo:+\"\\p\"}\"";
    /// An alias may stand for the `in` of `for` and `case`.
    aliases_stand_for_in: bool = [Y, N, Y, Y, N, Y, N], "observed in all six: alias foo=in<newline>case x foo x) echo a;; esac";
    /// The commands of `$(...)` are read without aliases at first, and anew when they are carried out.
    substitutions_read_without_aliases: bool = [N, Y, N, N, N, N, N], "observed in all six: alias q='{'<newline>echo \"$(q a)\"; echo after";
    /// A semicolon may stand behind the last element of an array.
    lists_may_end_in_semicolon: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: a=(x y;); echo ${a[1]}";
    /// A backslash in the list of an array inside `$(...)` quotes nothing when the end of that is looked for.
    lists_in_substitutions_lose_backslashes: bool = [N, Y, N, N, N, N, N], "observed in bash: echo $(a=(x\\'y); echo $a); echo $(a=(x\\;y); echo $a)";
    /// A mistake of the grammar in `$(...)` ends the shell even in a text that `eval` or `.` carries out; one in the
    /// list of an array ends a subshell there.
    inner_syntax_ends_shells: bool = [Y, Y, N, N, N, N, N], "observed in all six: eval 'x=$(fi)'; echo after; eval 'fi'; echo after";
    /// Where a name with a parenthesis behind it is no alias.
    aliases_spare_functions: SparedFunctions = [SparedFunctions::Never, SparedFunctions::Never, SparedFunctions::Never, SparedFunctions::Never, SparedFunctions::Adjacent, SparedFunctions::All, SparedFunctions::Never], "observed in all six: alias foo='echo a', then foo() { echo b; } on the next line";
    /// Of which functions `{` begins the body even if it is an alias, where aliases are looked at before words that
    /// are reserved.
    body_braces_before_aliases: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Always, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword], "observed in all six: alias {='label '; then hive() { label a; } and function hive { label a; }, each on a line";
    /// An alias may stand for the name behind `function`.
    names_of_functions_are_aliases: bool = [N, N, N, Y, N, N, N], "observed in all six: alias hive='jar '; function hive { label a; }; jar";
    /// A third semicolon between the parentheses of `for ((` is a syntax error, even in parentheses of its own.
    loops_count_semicolons: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: for ((i=0;i<2;i;i++)); do echo $i; done";
    /// `>&-` is a word of its own, whatever stands behind it.
    closing_dashes_end_words: bool = [N, Y, N, N, N, N, N], "observed in all six: echo a 2>&-x";
    /// `!` before `!` turns the status back, in the same pipeline.
    repeated_negation: bool = [N, Y, N, N, N, N, N], "observed in all six: set -e; ! ! true; ! ! false; echo $?";
    /// What begins a pipeline where one command may stand: behind another `!`, behind a bar, where it takes all bars
    /// behind it along, and as the body of a function, if bodies are such commands.
    pipelines_begin_with: &'static [&'static str] = [&[], &[], &[], &[], &["!", "time"], &["!", "time"], &["time"]], "observed in all six: : | ! false | false; echo $?; : | time false";
    /// The body of a function may begin with what begins pipelines.
    bodies_are_pipelines: bool = [N, N, N, N, N, Y, Y], "observed in all six: f() time false | true; f; echo $?";
    /// The middle of `a?b:c` may be an assignment.
    assigns_in_choice: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: echo $((1?x=2:3))";
    /// Another `?:` may stand between the signs of one without parentheses.
    choices_nest_in_middle: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: echo $((1?0?5:6:7))";
    /// What an assignment behind the colon of `?:` belongs to.
    assigns_behind_choice: BehindChoice = [BehindChoice::Whole, BehindChoice::Whole, BehindChoice::Whole, BehindChoice::Whole, BehindChoice::Last, BehindChoice::Taken, BehindChoice::Whole], "observed in all six: echo $((0?1:n=3)) $n; echo $((1?n:m=4)) $n";
    /// A slash behind `${x//` belongs to the pattern.
    slash_begins_pattern: bool = [N, Y, N, Y, N, N, N], "observed in all six: x=a/b; echo ${x////-}";
    /// `function f()` takes its parentheses.
    keyword_takes_parentheses: bool = [N, Y, N, Y, N, Y, Y], "observed in all six: function f() { :; }";
    /// A `case` may be written in braces.
    case_in_braces: bool = [N, N, N, N, Y, Y, Y], "observed in all six: case a { a) echo yes;; }";
    /// Signs behind `${` that make commands of it, or a mistake which is found late.
    late_starts: &'static [u8] = [b"", b"", b"", b"", b"(&|;", b"", b""], "observed in all six: echo ${(echo a)} ${((1+1))}; echo a; echo ${(k)x}; echo ${;}";
    /// `${a[]}` is `${a}`; otherwise it is no expansion.
    empty_index_is_none: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); echo ${a[]}";
    /// What makes an expansion a bad one hides nothing, not even as a quote or as its end.
    bad_sign_is_passed_over: bool = [N, N, Y, Y, N, N, N], "observed in all six: echo a; echo ${'x'} ${x:}";
    /// What may follow the brace of `${` to carry out commands here: a blank, or a bar for the value of REPLY.
    command_braces: &'static str = ["", "", "", "", " <>", " |", ""], "observed in all six: echo ${ echo a; } ${|REPLY=b;}";
    /// `[[` knows `=~`.
    regular_expressions: bool = [N, Y, N, N, Y, N, Y], "observed in all six: [[ a =~ a ]]";
    /// `[index]=value` in `name=(...)` sets that index only if it comes first.
    indexes_come_first: bool = [N, N, N, N, Y, N, N], "observed in all six: a=(x [5]=y)";
    /// Brackets behind a name in a word of a declaration utility are part of the word, whatever they hold.
    declared_brackets: bool = [N, N, N, N, Y, Y, N], "observed in all six: export a[1 + 1]=x; echo ${a[2]}";
    /// Between brackets nothing ends the expression behind `=~`.
    regular_brackets_hide: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: [[ 'a b' =~ a[ ]b ]]; echo $?";
    /// Brackets behind a name at the start of an operand of `[[ ]]` belong to it, whatever they hold.
    operands_take_brackets: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: [[ 'a b' == a[ ]b ]]; echo $?";
    /// A parenthesis that closes nothing belongs to the expression behind `=~`.
    regular_takes_closers: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: [[ a =~ a) ]]; echo $?";
    /// In the expression behind `=~` a backslash does not escape an expansion.
    regular_escapes_spare_names: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: b=x; [[ 'a\\x' =~ a\\$b ]]; echo $?";
    /// The expression behind `=~` holds no `()`.
    regular_refuses_empty_groups: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: [[ a =~ a() ]]; echo $?";
    /// What ends the expression of `=~` outside parentheses.
    regular_ends: &'static str = [" \t\n;&<>", " \t\n;&<>", " \t\n;&<>", " \t\n;&<>", " \t\n", " \t\n;&<>", " \t\n;&<>|"], "observed in bash, ksh93 and zsh: [[ 'c<' =~ c< ]]; [[ 'c;y' =~ c;y ]]";
    /// What brackets behind a name at the start of a command are.
    command_brackets: CommandBrackets = [CommandBrackets::Text, CommandBrackets::Word, CommandBrackets::Text, CommandBrackets::Text, CommandBrackets::Word, CommandBrackets::Raw, CommandBrackets::Text], "observed in all six: a[1 2] x; a[x; label after; a['x]y']; a[$(label in)]";
    /// The index of an assignment and of an element of a list may hold blanks.
    indexes_hold_blanks: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: a=([1 + 1]=x); a[1 + 1]=x; typeset -A m=([b c]=x)";
    /// Blanks between brackets at the start of an element do not end it.
    brackets_hold_blanks: bool = [N, Y, N, N, Y, N, N], "observed in all six: a=([ x ] y)";
    /// Single quotes in an expression hide what would close it.
    arithmetic_hides_in_quotes: HidingQuotes = [HidingQuotes::None, HidingQuotes::All, HidingQuotes::None, HidingQuotes::None, HidingQuotes::InBrackets, HidingQuotes::All, HidingQuotes::None], "observed in all six: echo $((1')')) $((a['$n'])) $(('$n'))";
    /// The same between the colons of `${x:offset:length}`, where a quote that nothing closes is a mistake.
    offsets_hide_in_quotes: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: echo \"${x:1'}'0}\"";
    /// A backslash in an expression hides a parenthesis.
    arithmetic_backslashes_hide: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: echo $((1 \\) ))";
    /// An assignment to an element has something between its brackets.
    empty_index_is_refused: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: if false; then a[]=3; fi; echo after";
    /// Between single quotes in the index before an element of a list nothing counts.
    element_keys_hide_in_quotes: bool = [N, Y, N, N, Y, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -A a; a=(['`']=x)";
    /// Between single quotes in the index of an element nothing counts.
    keys_hide_in_quotes: bool = [N, Y, N, N, Y, N, N], "observed in all six: a['`']=x";
    /// Elements of a list can be put behind what is there: `a=([1]+=x)`.
    elements_append: bool = [N, Y, N, N, N, N, Y], "observed in all six: a=(1 2); a+=([1]+=x)";
    /// After an element with an index every element needs one.
    indexes_all_or_none: bool = [N, N, N, N, Y, N, N], "observed in all six: a=([0]=x y)";
    /// `[index]=value` in `name=(...)` sets that index.
    element_indexes: bool = [N, Y, N, N, Y, N, Y], "observed in all six: a=([3]=x)";
    /// `name=(...)` stands alone in its command.
    arrays_stand_alone: bool = [N, N, N, N, N, Y, N], "observed in all six: a=(x y) echo a; readonly a=(x)";
    /// What is behind the letter of a transformation is passed over; otherwise it makes a bad one.
    transformation_rest_is_lost: bool = [N, N, N, N, N, Y, N], "observed in bash and mksh: echo ${x@Qy}";
    /// The letters of `${x@letter}`.
    transformation_letters: &'static str = ["", "QUuLEaAKkP", "", "", "", "Q#", ""], "observed in all six with each letter";
    /// Two single quotes between single quotes are one.
    doubled_quote_is_quote: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt rcquotes, newline, echo 'it''s'";
    /// Numbers in base 16 are shown with `0x` before them, and octal ones with `0` where that means octal.
    bases_as_in_c: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt cbases; echo $(( [#16] 255 ))";
    /// `$x[1]` is an element without braces.
    unbraced_subscripts: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a[1]; in zsh also with setopt ksharrays";
    /// `$#x` is a length without braces.
    unbraced_lengths: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo $#x; in zsh also with setopt posixidentifiers";
    /// Signs of expansions count without braces, and modifiers stand behind `$x`.
    unbraced_operations: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a[1] $#a";
    /// A closing brace ends a command wherever it stands, and an opening one needs no blank.
    braces_are_tokens: bool = [N, N, N, N, N, N, Y], "observed in all six: {echo a}";
    /// A simple command behind `time` begins with its options, wherever they come from.
    timed_commands_have_options: bool = [N, N, N, N, N, Y, N], "observed in all six: time -p ! :; echo $?; time $(echo -p) echo a; time -x echo a";
    /// `time` is a plain word in all of a pipeline that has `time` before it.
    one_time: bool = [N, N, N, N, N, N, Y], "observed in all six: time time :; echo $?; time { time :; }; time : | time :; time echo $(time :)";
    /// `--` ends the options of `time`.
    time_takes_dashes: bool = [N, Y, N, N, N, N, N], "observed in all six: time -- :; time -p -- :; echo $?";
    /// What may be the body of a function that is written with `function`.
    keyword_bodies: KeywordBodies = [KeywordBodies::Any, KeywordBodies::Any, KeywordBodies::Any, KeywordBodies::Compound, KeywordBodies::BracesBehindWords, KeywordBodies::Braces, KeywordBodies::NoSubshell], "observed in all six: function a echo b; function a if :; then :; fi; function a b { :; }";
    /// `time -p` is one reserved word with its option.
    time_takes_option: bool = [N, Y, N, N, N, N, N], "observed in all six: time -p echo a";
    /// The signs that may begin an offset, besides letters, digits and blanks; nothing: all. Where they are named, quotes in
    /// the numbers quote.
    offset_signs: &'static str = ["", "", "", "", "", "_#$%(:", ""], "observed in all six with each sign: x=abc; echo ${x:\"1\"} ${x:!1} ${x:0+'1'}";
    /// Which colon of `${x:offset:length}` ends the offset.
    offset_end: OffsetEnd = [OffsetEnd::OutsideParentheses, OffsetEnd::OutsideConditions, OffsetEnd::OutsideParentheses, OffsetEnd::FirstOnceExpanded, OffsetEnd::EndOfExpression, OffsetEnd::OutsideParentheses, OffsetEnd::First], "observed in all six: x=abcdef; n=2:1; echo ${x:$n} ${x:1?2:3} ${x:(1?2:3):1} ${x: 2 : 1}";
    /// `command |&` is carried out in the background.
    coprocess_operator: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo a |& echo b";
    /// `&|` and `&!` end a command that is carried out in the background.
    disowning_operators: bool = [N, N, N, N, N, N, Y], "observed in all six: : &| echo a; : &! echo b";
    /// Letters beyond ASCII belong to names.
    wide_names: bool = [N, N, N, N, Y, N, Y], "observed with LANG=C.UTF-8: echo $x with a two-byte letter behind it";
    /// What a backslash at the very end of a text does.
    last_backslash: LastBackslash = [LastBackslash::Stays, LastBackslash::Stays, LastBackslash::Stays, LastBackslash::Stays, LastBackslash::VanishesBehindText, LastBackslash::Vanishes, LastBackslash::Quotes], "observed in all six: eval 'echo \\'; eval 'echo a\\'";
    /// In backquotes of a here-document a backslash before a double quote vanishes.
    document_backquotes_drop_backslash: bool = [Y, N, Y, Y, Y, N, N], "observed in all six: read x <<E with `echo \\\"q\\\"`";
    /// A character between single quotes in an arithmetic expression is its code.
    arithmetic_characters: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo $(('a'))";
    /// The name of a `for` loop may be quoted.
    quoted_for_names: bool = [N, N, N, N, Y, N, N], "observed in all six: for 'i' in a; do echo $i; done";
    /// The body of a `while` loop may stand in braces, directly behind a command that ends by itself.
    loops_take_braces: bool = [N, N, N, N, N, Y, N], "observed in all six: while (( i++ < 2 )) { echo $i; }";
    /// What no name of a function may begin with, hold and end in.
    function_names_refuse: (&'static str, &'static str, &'static str) = [("", "", ""), ("", "", ""), ("", "", ""), ("", "", ""), ("~[", "?*{", "%-:}~"), ("", "=[]{}~?*#", ""), ("", "", "")], "observed in ksh93 and mksh with each sign: if false; then a-b() { :; }; fi; echo after";
    /// A base of three digits is a mistake, even where a large one means ten.
    bases_have_two_digits: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((99#5)); echo $((100#5))";
    /// Redirections of a group take the place of those of the subshell that is all there is in it.
    group_redirections_replace: bool = [N, N, Y, Y, N, N, N], "observed in all six: { (echo a) >f; } >g; cat f g";
    } };
}
pub(in crate::dialect) use reading_rows;
