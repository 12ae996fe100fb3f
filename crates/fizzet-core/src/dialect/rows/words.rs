//! The rows of the table about utilities that take words apart or print them: `read`, `printf`, `getopts`, `test`.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! words_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// `printf` shows a conversion that its format ends in as `%`.
    printf_shows_cut_conversions: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%5'; echo $?";
    /// The conversions of `printf` may have the flag `'`.
    printf_groups: bool = [N, Y, N, N, Y, N, Y], "observed in all six: printf \"%'d\" 1234";
    /// A precision may have a dash before it, with which the C library does nothing.
    printf_precisions_have_dashes: bool = [N, Y, N, N, N, N, N], "observed in all six: printf '%.-1d|%5.-1q\\n' 3 4";
    /// A width or a precision in a format of `printf` loses what is beyond C's `int`.
    printf_widths_wrap: bool = [N, N, N, N, Y, N, Y], "observed in bash, ksh93 and zsh: printf '%4294967299s|' a";
    /// `printf` shows infinities and what is no number as they are, whatever the conversion says.
    printf_shows_infinity_plainly: bool = [N, N, N, N, N, N, Y], "observed in all six: printf '%5.1f|%G' nan inf";
    /// A number below -2 is a time before 1970 for `printf`; -1 is now, and -2 when the shell began.
    printf_knows_early_times: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: printf '%(%Y)T' -86400";
    /// A quote with nothing behind it is no number for `printf`.
    printf_minds_empty_quotes: bool = [N, N, N, N, Y, N, N], "observed in all six: printf %d \"'\"; echo $?";
    /// The unsigned conversions of `printf` read digits that no expression could.
    printf_unsigned_are_wide: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: printf '%u %x' 18446744073709551615 18446744073709551615";
    /// `%(format` without `)T` is text.
    printf_bad_times_are_text: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: printf 'a%(abc|x'; printf '%(abc)Z'";
    /// More than one character behind a quote makes the status of `printf %d` 1.
    printf_minds_long_quotes: bool = [N, N, N, N, Y, N, N], "observed in all six: printf %d \"'ab\"; echo $?";
    /// A mistake in the index of `test -v` makes its status 2.
    test_forgives_indexes: bool = [N, N, N, N, Y, N, N], "observed in bash and ksh93: test -v 'a[1/0]'; echo $?";
    /// What is no number for `*` in a format of `printf` makes the status 1.
    printf_minds_widths: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: printf '%*s' x a; echo $?";
    /// How the conversions of `printf` take arguments by their numbers.
    printf_positions: Positions = [Positions::None, Positions::None, Positions::None, Positions::None, Positions::InTurn, Positions::None, Positions::Apart], "observed in all six: printf '%2$s %1$s' a b; printf '%1$s %s' a b";
    /// `read -t 0` reads nothing, but asks whether it could.
    read_without_waiting: Option<Status> = [None, Some(0), None, Some(0), None, Some(142), None], "observed in all six: read -t 0 x <f; echo $? $x";
    /// The numbers that options of `read` take.
    read_numbers: &'static [ReadNumber] = [&[], &[ReadNumber { letters: "nNu", syntax: NumberSyntax { blanks: true, signs: "+", ..NumberSyntax::DIGITS }, status: 1 }, ReadNumber { letters: "t", syntax: NumberSyntax { signs: "+", empty: true, fraction: Fraction::Anywhere, most: u64::MAX, ..NumberSyntax::DIGITS }, status: 1 }], &[], &[ReadNumber { letters: "nu", syntax: NumberSyntax::DIGITS, status: 2 }, ReadNumber { letters: "t", syntax: NumberSyntax { fraction: Fraction::Behind, ..NumberSyntax::DIGITS }, status: 2 }], &[ReadNumber { letters: "nN", syntax: NumberSyntax { blanks: true, signs: "+-", hexadecimal: true, empty: true, most: i64::MAX as u64, ..NumberSyntax::DIGITS }, status: 2 }, ReadNumber { letters: "u", syntax: NumberSyntax { blanks: true, signs: "+", empty: true, most: i64::MAX as u64, ..NumberSyntax::DIGITS }, status: 1 }], &[ReadNumber { letters: "nN", syntax: NumberSyntax { blanks: true, signs: "+-", ..NumberSyntax::DIGITS }, status: 2 }, ReadNumber { letters: "t", syntax: NumberSyntax { empty: true, fraction: Fraction::Anywhere, ..NumberSyntax::DIGITS }, status: 2 }, ReadNumber { letters: "u", syntax: NumberSyntax::DIGITS, status: 2 }], &[ReadNumber { letters: "u", syntax: NumberSyntax { blanks: true, signs: "+", empty: true, most: i64::MAX as u64, ..NumberSyntax::DIGITS }, status: 1 }]], "observed in all six: read -n x v; echo $?; the same with -N, -t and -u, and '', 1.5, +1, ' 1', 0x1, -1, 1x, 99999999999999999999";
    /// What `read -n 0` reads.
    read_of_nothing: ReadOfNothing = [ReadOfNothing::Succeeds, ReadOfNothing::Succeeds, ReadOfNothing::Succeeds, ReadOfNothing::IsWhole, ReadOfNothing::Succeeds, ReadOfNothing::Fails, ReadOfNothing::Succeeds], "observed in bash, busybox sh, ksh93 and mksh: echo abc | { read -n 0 v; echo $? $v; }";
    /// `typeset +r` makes a variable changeable again.
    read_only_can_end: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: readonly x=1; typeset +r x; x=2; echo $x";
    /// A word of `read` that is no name ends the shell.
    read_bad_name_is_fatal: bool = [N, N, N, N, N, N, Y], "observed in all six: read 1x; echo after";
    /// The status of `read` for a word that is no name.
    read_bad_name_status: Status = [1, 1, 2, 1, 1, 2, 1], "observed in all six: read 1x </dev/null; echo $?";
    /// Which of its names `read` looks at before it reads.
    read_looks_at: ReadLooksAt = [ReadLooksAt::All, ReadLooksAt::First, ReadLooksAt::None, ReadLooksAt::Filled, ReadLooksAt::First, ReadLooksAt::None, ReadLooksAt::All], "observed in all six: read x 1y z <<<'a b c'; echo $? $x";
    /// What `read` makes of `x=4`.
    read_names_with_values: NamesWithValues = [NamesWithValues::Refused, NamesWithValues::Refused, NamesWithValues::Cut, NamesWithValues::Refused, NamesWithValues::FirstCut, NamesWithValues::Skipped, NamesWithValues::Refused], "observed in all six: read x=4 y <f; echo $? $x $y";
    /// `read` takes what only begins like a name for that of a variable, which no expansion can mean.
    read_minds_first_letter_only: bool = [N, N, N, N, N, Y, N], "observed in all six: read a.b c <<<'5 6'; echo $? \"$a\" \"$c\"; set | grep '^a'";
    /// The status of `read` where it finds a word that is no name when it assigns it.
    read_late_name_status: Status = [2, 1, 2, 2, 1, 2, 1], "observed in all six: read x - <f; echo $?; read x '' <f; echo $?";
    /// `read -N-1` and `-n-1` read all that is there, and `-n` is content with what it finds.
    read_may_take_all: bool = [N, N, N, N, N, Y, N], "observed in mksh: print 'a\nb' | { read -N-1 x; echo \"$x\"; }; print -n a | { read -n2 x; echo $?; }";
    /// What `read -n` reads is split as other input is.
    counted_input_is_split: bool = [Y, Y, Y, Y, N, Y, Y], "observed in bash, ksh93 and mksh: echo '  a b' | { read -n4 x y; echo \"[$x][$y]\"; }";
    /// What a backslash does where `read` counts characters.
    counted_backslash: CountedBackslash = [CountedBackslash::WithNext, CountedBackslash::WithNext, CountedBackslash::WithNext, CountedBackslash::Counts, CountedBackslash::Stays, CountedBackslash::Counts, CountedBackslash::WithNext], "observed in bash, busybox sh, ksh93, mksh and zsh: printf '%s\\n' 'a\\b c' | { read -n3 x; echo \"[$x]\"; }";
    /// `read -n` counts bytes.
    read_counts_bytes: bool = [N, N, N, Y, N, Y, N], "observed in bash, busybox sh, ksh93, mksh and zsh: echo 'ä ö' | { read -n1 x; echo \"${#x}\"; }";
    /// What `read -N` reads is split as other input is.
    exact_input_is_split: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: print '  a b' | { read -N4 x; echo \"[$x]\"; }";
    /// What a backslash is to `read` without `-r` where IFS has one.
    backslash_in_ifs: BackslashInIfs = [BackslashInIfs::Escapes, BackslashInIfs::Escapes, BackslashInIfs::Escapes, BackslashInIfs::Escapes, BackslashInIfs::Separates, BackslashInIfs::SeparatesInJoinedLines, BackslashInIfs::SeparatesButLast], "observed in all six: printf '%s\\n' 'a\\b\\c' | (IFS='\\'; read f g; echo $f $g); the same with a backslash at the end of a line";
    /// The status of `read` where a variable takes no such value.
    read_refused_status: Option<Status> = [None, None, None, None, Some(1), Some(2), None], "observed in bash, ksh93, mksh and zsh: typeset -i x; read x <<< 'a b'; echo $?";
    /// White space of IFS at the end of a line makes one empty element more.
    read_end_is_element: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: echo 'a b ' | { read -A r; echo ${#r}; }";
    /// `read -N` that finds too few characters leaves nothing.
    read_needs_all: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: echo k=v | { read -N5 x; echo $? \"[$x]\"; }";
    /// A newline separates fields only where it ends the input of `read`.
    newline_separates_lines_only: bool = [N, N, N, N, Y, N, N], "observed in ksh93: printf 'a\\nb c' | { read -d : x y; echo \"[$x][$y]\"; }";
    /// `read -n` ends at a newline whatever `-d` says, and is content with what it finds.
    counted_reads_are_of_lines: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: printf 'a:b\\nc' | { read -n5 -d : x; echo $? $x; }";
    /// The array that `read -A` fills without a name; where there is none, it reads a line.
    read_array_name: Option<&'static str> = [None, None, None, None, None, Some("REPLY"), Some("reply")], "observed in all six: read -A <<< 'x y'; echo ${REPLY[1]} ${reply[1]}";
    /// The status of `read -A` with several names, where it is a mistake; otherwise the others become empty.
    read_array_others_status: Option<Status> = [None, None, None, None, None, Some(2), Some(1)], "observed in all six: read -A a b <<< 'x y'; echo $?";
    /// What `read` makes of an element where it is to fill an array.
    read_array_element: ArrayElement = [ArrayElement::Refused, ArrayElement::Refused, ArrayElement::Refused, ArrayElement::Refused, ArrayElement::IsArray, ArrayElement::IsOne, ArrayElement::Refused], "observed in bash, ksh93, mksh and zsh: a=(x y z); read -A 'a[1]' <<< 'q w'; echo $? ${a[@]}";
    /// `read` fills no array that has keys.
    read_array_refuses_maps: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: typeset -A n; read -a n <<< 'x y'; echo $?";
    /// `read -n` and `-N` fill the first of their names only, and do not look at the others.
    counted_reads_fill_first: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: b=1; read -n 3 a b 1x <<< 'x y'; echo $? $b";
    /// A mistake in the index of an element that `read` fills only makes it fail.
    read_passes_index_mistakes: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: read b 'a[1/0]' <<< 'x y'; echo $?";
    /// An empty line makes an array with one empty element.
    read_empty_is_element: bool = [N, N, N, N, Y, N, Y], "observed in all six: read -A a <<< ''; echo ${#a[@]}";
    /// `read -a` fills an array with the codes of characters.
    read_array_takes_codes: bool = [N, N, N, N, N, Y, N], "observed in all six: read -a a <<< 'x y'; echo ${a[0]}";
    /// `read` without a name keeps white space at both ends in REPLY.
    reply_is_whole: bool = [N, Y, N, Y, N, N, N], "observed: read with ' a b '";
    /// Escapes that `echo` decodes: letters, `0` for octal digits behind a zero, `1` for others, `-` where
    /// a code beyond U+FFFF becomes U+FFFD, `.` where `\\x` and `\\u` without digits are a NUL.
    echo_escapes: &'static str = ["abcfnrtv\\0", "abceEfnrtv\\0xuU", "abcefnrtv\\01", "abcefnrtv\\01x", "abcEfnrtv\\0", "abceEfnrtv\\0xuU-", "abcefnrtv\\0xuU."], "observed in all six with each letter";
    /// The option letters of `print`; a colon where one takes a value.
    print_letters: &'static str = ["", "", "", "", "enprRsvCf:u:", "AcelnNprRsu:", "abcC:Df:ilmnNoOpPrRsSu:v:xX:z"], "observed in ksh93, mksh and zsh with each letter";
    /// The status of `print` when it puts a line into the history, which no script has.
    print_history_status: Status = [0, 0, 0, 0, 1, 0, 0], "observed in ksh93, mksh and zsh: print -s x; echo $?";
    /// The status of `print` with an option that it does not know.
    print_usage_status: Status = [1, 1, 1, 1, 2, 1, 1], "observed in ksh93, mksh and zsh: print -q; echo $?";
    /// `print` has columns, but none of zsh's other forms.
    print_columns_only: bool = [N, N, N, N, Y, Y, N], "observed in ksh93, mksh and zsh: print -c a b";
    /// Options of `print -R` behind the R.
    print_echo_letters: &'static str = ["", "", "", "", "n", "n", "neE"], "observed in ksh93, mksh and zsh: print -R -e 'a\\tb'";
    /// `print -N` ends in a NUL byte.
    print_ends_in_nul: bool = [N, N, N, N, N, Y, Y], "observed in mksh and zsh: print -N a";
    /// `%Q` of `printf` cuts its argument to the precision before it quotes it.
    printf_cuts_before_quoting: bool = [N, Y, N, N, N, N, N], "observed in all six: printf %.3Q 'a bcd'";
    /// `%q` of `printf` quotes.
    printf_quotes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: printf %q 'a b'";
    /// `%(format)T` of `printf` shows a time.
    printf_times: bool = [N, Y, N, N, Y, N, N], "observed in all six: printf '%(%Y)T' 0";
    /// How `%a` of `printf` writes its digits, if there is one.
    printf_hexadecimal: Option<HexDigits> = [None, Some(HexDigits::Needed), Some(HexDigits::Needed), None, Some(HexDigits::Many), None, None], "observed in all six: printf '%a %.0a' 3.7 1.5";
    /// `read -n` passes over bytes 0, if `read` does.
    counted_read_drops_nul: bool = [N, Y, N, N, N, N, N], "observed in all six: printf 'a\\0b\\n' | { read -n 2 x; echo $x; }";
    /// `read` passes over bytes 0.
    read_drops_nul: bool = [N, Y, Y, Y, Y, Y, N], "observed in all six: printf 'a\\0b\\n' | { read x; echo $x; }";
    /// Behind a `read` a newline separates fields until IFS is set again or a command is substituted.
    read_makes_newline_separate: bool = [N, N, N, N, Y, N, N], "observed in all six: IFS=:; read z <<<q; x='a, newline, b'; echo $x";
    /// Utilities that go on, with this status, when they cannot assign a read-only variable.
    read_only_statuses: &'static [(&'static str, Status)] = [&[], &[("read", 1), ("getopts", 2), ("mapfile", 1), ("readarray", 1), ("printf", 1)], &[("getopts", 2), ("cd", 2), ("chdir", 2)], &[("getopts", 2), ("cd", 2), ("chdir", 2)], &[("read", 1), ("getopts", 2), ("printf", 1), ("eval", 1)], &[("read", 2), ("getopts", 2), ("typeset", 2)], &[]], "observed in all six: readonly r; read r <<< k; echo after $?";
    /// Utilities that end the shell with another status than assignments do, if they are to set a read-only variable.
    read_only_end_statuses: &'static [(&'static str, Status)] = [&[], &[], &[], &[], &[], &[], &[("printf", 0), ("print", 0), ("getopts", 0), ("set", 0)]], "observed in all six: readonly r; (printf -v r x); echo $?; (getopts a r -a); echo $?";
    /// `read` goes on with its other names when one is read-only.
    read_passes_read_only: bool = [N, N, N, N, Y, N, N], "observed in ksh93: readonly r; read x r y <<< 'a b c'; echo $x $y";
    /// The status of `read` for an unknown option, or one that lacks its value.
    read_usage_status: Status = [2, 2, 2, 2, 2, 2, 1], "observed in all six: read -n; echo $?";
    /// `test` has `=~`.
    test_matches_expressions: bool = [N, N, N, N, Y, N, Y], "observed in all six: [ abc =~ a.c ]; echo $?; [ abc =~ '(' ]; echo $?";
    /// `read` into a read-only variable ends with the status 2.
    read_ends_at_read_only: bool = [N, N, Y, Y, N, N, N], "observed in all six: readonly r=1; read r < file; echo $?";
    /// `test` compares numbers with what stands behind their points.
    test_compares_reals: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0.5 -gt 0 ]; echo $?";
    /// `[[ ]]` compares no hexadecimal numbers, though expressions have them.
    conditions_refuse_hexadecimal: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: [[ 0x1f -eq 31 ]]; echo $?";
    /// `test` reads hexadecimal numbers.
    test_hexadecimal: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0x1f -gt 0 ]";
    /// `echo` decodes escapes without being asked.
    echo_decodes: bool = [Y, N, Y, N, N, Y, Y], "observed in all six: echo 'a\\tb'";
    /// The option letters of `echo`.
    echo_options: &'static str = ["", "neE", "n", "neE", "ne", "neE", "neE"], "observed in all six: echo -ne a";
    /// The status of `read` from a descriptor that is closed, where it assigns nothing then.
    read_minds_closed: Option<Status> = [Some(1), Some(1), None, None, Some(1), Some(2), None], "observed in all six: x=old; read x <&-; echo $? $x; read -u 9 x; echo $? $x";
    /// The status of `getopts` without a name.
    getopts_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: getopts a; echo $?";
    /// `OPTERR=0` makes `getopts` tell of mistakes as a colon before the options does.
    getopts_quiet_is_silent: bool = [N, N, N, Y, N, N, N], "observed in all six: OPTERR=0; getopts a: o -x; echo $o $OPTARG; getopts a: o -x -a; echo $o $OPTARG";
    /// `OPTERR=0` keeps the messages of `getopts` back.
    getopts_can_be_quiet: bool = [Y, Y, N, Y, N, N, N], "observed in all six: OPTERR=0; getopts a o -x 2>err; test -s err";
    /// The name for a value that there is not has the plus sign of its option.
    getopts_marks_lost_values: bool = [N, N, N, N, N, Y, N], "observed in ksh93, mksh and zsh: getopts :a: o +a; echo $o";
    /// OPTARG has the plus sign of an option that there is not.
    getopts_tells_plus: bool = [N, N, N, N, N, N, Y], "observed in mksh and zsh: getopts :a o +b; echo $o $OPTARG";
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
    /// Where OPTIND is set to more than 1 in the middle of a word, `getopts` goes on with the letters of that word.
    getopts_finishes_words: bool = [N, Y, N, N, N, N, N], "observed in all six: set -- -abc -x -y; getopts abc o; OPTIND=2; getopts abc o; echo $o";
    /// OPTIND tells where `getopts` stands, whatever else it is assigned than a place, unset or made local.
    option_index_is_told: bool = [N, N, N, N, N, Y, N], "observed in all six: OPTIND=5; OPTIND=0; echo $OPTIND; unset OPTIND; echo $OPTIND; f() { local OPTIND; echo $OPTIND; }; f";
    /// `unset OPTIND` makes `getopts` begin again.
    getopts_minds_unset: bool = [N, Y, N, Y, N, N, N], "observed in all six: getopts ab o -ab; unset OPTIND; getopts ab o -ab; echo $o";
    /// The colon at the start of the options names an option too.
    getopts_finds_colon: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts :ab o -:; echo $o";
    /// The status of `printf` for a format that begins with a dash, which is an option; nothing where
    /// it is a format.
    printf_option_status: Option<Status> = [None, Some(2), Some(2), None, Some(2), None, None], "observed in all six: printf -x; echo $?; printf '-%s' a; echo $?";
    /// The status of `printf -v` with what is no name; none if that ends the shell.
    printf_bad_name_status: Option<Status> = [None, Some(2), None, None, Some(1), None, None], "observed in bash, ksh93 and zsh: printf -v 1x y; echo $?; printf -v -- y; echo $?";
    /// The status of `printf -v` without a format.
    printf_nothing_status: Status = [2, 2, 2, 2, 2, 2, 1], "observed in all six: printf; echo $?";
    /// There is `printf -v`.
    printf_stores: bool = [N, Y, N, N, Y, N, Y], "observed in all six: printf -v x a; echo $x";
    /// What `getopts` does where OPTIND or OPTARG is read-only.
    getopts_and_read_only: ReadOnlyOptions = [ReadOnlyOptions::Minds, ReadOnlyOptions::Leaves, ReadOnlyOptions::Minds, ReadOnlyOptions::Minds, ReadOnlyOptions::Overwrites, ReadOnlyOptions::Overwrites, ReadOnlyOptions::Overwrites], "observed in all six: readonly OPTIND; getopts a x -a; echo $? $x $OPTIND";
    /// `getopts` assigns to the name before OPTARG.
    getopts_names_first: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- -xy; readonly n; getopts x: n; echo $OPTARG";
    /// What `getopts` makes of a read-only name behind the last option.
    getopts_end_and_read_only: ReadOnlyEnd = [ReadOnlyEnd::Minds, ReadOnlyEnd::Leaves, ReadOnlyEnd::Minds, ReadOnlyEnd::Minds, ReadOnlyEnd::EndsShell, ReadOnlyEnd::Leaves, ReadOnlyEnd::Minds], "observed in all six: readonly o; getopts a o; echo $?";
    /// The status of `read -t` when the time is over and nothing has come.
    read_timeout_status: Option<Status> = [None, Some(142), None, Some(1), Some(1), Some(142), Some(1)], "observed in all six: { sleep 1; } | { read -t 0.1 x; echo $?; }";
    /// The status of `read -p`, which reads from a coprocess, where there is none; nothing where `-p`
    /// is a prompt.
    no_coprocess_status: Option<Status> = [None, None, None, None, Some(1), Some(2), Some(1)], "observed in all six: read -p; echo $?";
    /// A word of options of `echo` has no letter twice.
    echo_letters_once: bool = [N, N, Y, N, Y, N, N], "observed in all six: echo -nn a";
    /// `echo` knows no option but a first `-n`, and no escapes.
    echo_as_in_posix: bool = [N, N, N, N, N, N, N], "observed in mksh: set -o posix; echo -n '\\tb'; echo -e a";
    /// `echo` has one word of options.
    echo_takes_one_option: bool = [N, N, Y, N, N, N, N], "observed in all six: echo -n -n a";
    /// Long names of options stand in parentheses behind their letters, and a blank ends the letters.
    getopts_knows_names: bool = [N, N, N, N, Y, N, N], "observed in all six: getopts 'a b' o -b; getopts 'a(xy)b' o -x; echo $o";
    /// `getopts` tells how the options are used, and the shell ends, at `-?` and at words such as `--help`.
    getopts_tells_usage: bool = [N, N, N, N, Y, N, N], "observed in all six: getopts ab o --ab; echo after; getopts ab o '-?'";
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
    /// `print` decodes its words as `$'...'` is decoded.
    print_decodes_as_quotes: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: print 'a\\qb' with every letter";
    /// `%b` of `printf` may have a width and a precision.
    printf_fills_escapes: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: printf '%5b|' x";
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
    /// A number of nothing but blanks is a mistake of `printf`.
    printf_minds_blanks: bool = [Y, Y, Y, N, N, N, N], "observed in all six: printf %d ' '; echo $?";
    /// `printf` takes the digits before what is no digit.
    printf_partial_numbers: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: printf %d 1x";
    /// `test` knows `==`.
    test_double_equals: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: [ a == a ]";
    /// `read` without a name is a mistake.
    read_needs_name: bool = [Y, N, Y, N, N, N, N], "observed in all six: read; echo $?";
    /// `getopts` makes OPTARG empty for an option without a value; otherwise it is unset.
    getopts_empties_value: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts a o -a; echo ${OPTARG-unset}";
    /// What the numbers of `test` are.
    test_numbers: TestNumbers = [TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Expressions, TestNumbers::Expressions, TestNumbers::Leading], "observed in all six: x=3; [ x -eq 3 ]; [ 1 -eq '1 ' ]; [ '' -eq 0 ]; set -o posix; [ x -eq 3 ]; [ 1.5 -eq 3 ]";
    /// `-E` of `echo` does not take back `-e`.
    echo_e_outdoes: bool = [N, N, N, Y, N, N, Y], "observed in all six: echo -eE 'a\\tb'; echo -e -E 'a\\tb'";
    /// A lone dash ends the options of `echo`.
    echo_takes_dash: bool = [N, N, N, N, N, N, Y], "observed in all six: echo - a";
    /// `getopts` stays behind the last letter of a word until it looks for the next one, though OPTIND tells the word
    /// behind it.
    getopts_stays_at_end: bool = [N, N, N, N, N, Y, N], "observed in all six: getopts a o -a; getopts b o -bbb; echo $o $OPTIND";
    /// `getopts` leaves OPTIND at a word until it comes back for the next one, and does not touch the variable at the end.
    getopts_is_late: bool = [N, N, N, N, N, N, Y], "observed in all six: getopts a o -a; echo $OPTIND";
    /// What becomes of escaped characters where `read` ends a line and its last field.
    read_escaped_ends: EscapedEnds = [EscapedEnds::Kept, EscapedEnds::LostBehindOthers, EscapedEnds::PassedOver, EscapedEnds::Forgotten, EscapedEnds::Lost, EscapedEnds::OneIsLost, EscapedEnds::Lost], "observed in all six: read x y with 'a b \\ ', 'a b\\ ', 'a b c\\ ', 'a b \\c', and IFS=: with 'a:b:\\:'";
    /// The first byte of a longer character makes `read` take what follows until that is one, or cannot become one; even a newline.
    read_finishes_characters: bool = [N, Y, N, N, N, N, N], "observed in all six: printf '\\303\\nb\\n' | { read x; echo $x; }";
    /// Nothing but the number of characters ends what `read -n` reads.
    counted_reads_have_no_end: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: printf 'ab\\ncd\\n' >f; IFS= read -n 5 x <f; echo \"$x\"";
    /// A backslash makes the byte that ends the input of `read` vanish, not a newline inside of it.
    ends_of_input_are_continued: bool = [N, N, N, N, Y, Y, Y], "observed in bash, busybox sh, ksh93, mksh and zsh: printf 'a\\\\\\nb\\\\:c:d' | { read -d : x; echo \"$x\"; }";
    /// What becomes of a backslash at the end of the input of `read`, which quotes nothing.
    last_backslash_of_input: InputBackslash = [InputBackslash::Vanishes, InputBackslash::IsByteAlone, InputBackslash::Vanishes, InputBackslash::Vanishes, InputBackslash::IsTextBehindText, InputBackslash::IsText, InputBackslash::Vanishes], "observed in all six: IFS=:; printf 'a:\\\\' | { read x; echo $x; }; printf 'a:\\\\' | { read x y; echo $x $y; }";
    /// The first name of `read` may have a prompt behind it: `read 'x?prompt'`.
    read_prompts: bool = [N, N, N, N, Y, Y, Y], "observed in all six: echo a | { read 'x?prompt'; echo $x; }";
    /// There may be nothing but the prompt.
    read_prompt_needs_no_name: bool = [N, N, N, N, N, N, Y], "observed in all six: echo a | { read '?prompt'; echo $? $REPLY; }";
    /// `read -k` and `read -q` take keys.
    read_takes_keys: bool = [N, N, N, N, N, N, Y], "observed in zsh: printf yes | { read -k 2 -u 0 x; echo $x; }; printf y | { read -q -u 0; echo $REPLY; }";
    /// A wrong option, or one whose value is not there, ends its word.
    getopts_leaves_mistaken_words: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt posixbuiltins; getopts a o -xa; echo $OPTIND; getopts a o -xa; echo $?";
    /// What OPTIND is to `getopts` once it has been unset.
    unset_index: UnsetIndex = [UnsetIndex::Counts, UnsetIndex::Counts, UnsetIndex::Counts, UnsetIndex::Counts, UnsetIndex::Forgotten, UnsetIndex::Counts, UnsetIndex::UntilAssigned], "observed in all six: unset OPTIND; getopts ab o -a -b; echo ${OPTIND-unset}; OPTIND=1; getopts ab o -a -b; echo $o $OPTIND";
    /// OPTARG that has been unset stays so until the script assigns it.
    getopts_leaves_unset_value: bool = [N, N, N, N, N, N, Y], "observed in all six: unset OPTARG; getopts a: o -ax; echo ${OPTARG-unset}";
    /// What OPTIND is behind a command that it was assigned before.
    getopts_behind_assignment: IndexBehind = [IndexBehind::Orders, IndexBehind::Stays, IndexBehind::Orders, IndexBehind::Orders, IndexBehind::Stays, IndexBehind::Orders, IndexBehind::IsTold], "observed in all six: OPTIND=1 getopts ab o -a -b; echo $o $OPTIND; getopts ab o -a -b; echo $o $OPTIND";
    /// `read` keeps a separator at the end of the last field.
    read_keeps_last_separator: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=:; read x <<< a:";
    /// The numbers of `printf` are arithmetic expressions.
    printf_evaluates: bool = [N, N, N, N, Y, N, Y], "observed in all six: printf %d abc; echo $?";
    /// How `%q` of `printf` quotes.
    printf_quoting: PrintfQuoting = [PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Quotes, PrintfQuoting::Backslashes, PrintfQuoting::BackslashesAlways], "observed: printf '%q' 'a b'";
    /// The widths of `printf` count characters.
    printf_counts_characters: bool = [N, N, N, N, N, N, Y], "observed with LANG=C.UTF-8: printf '%5s' with a two-byte letter";
    /// What `\c` does in the text of `echo`.
    echo_end: EchoEnd = [EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::StopsBehindBlank, EchoEnd::DropsNewline, EchoEnd::Stops], "observed in all six: echo -e 'a\\cb' c";
    /// `test` knows `<` and `>`.
    test_orders: bool = [N, Y, Y, Y, Y, Y, N], "observed in all six: [ a \\< b ]";
    } };
}
pub(in crate::dialect) use words_rows;
