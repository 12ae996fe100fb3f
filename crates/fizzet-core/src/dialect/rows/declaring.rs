//! The rows of the table about `typeset`, `export`, `unset` and their kin.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! declaring_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// What `local` does outside a function.
    local_outside: Outside = [Outside::Fatal, Outside::Fails, Outside::Fatal, Outside::Fatal, Outside::Fatal, Outside::Allowed, Outside::Allowed], "observed in all six: local x=1; echo after $x";
    /// How `typeset -R`, `-Z` and `-LZ` fill their fields.
    field_paddings: Paddings = [Paddings::TRIMMED, Paddings::TRIMMED, Paddings::TRIMMED, Paddings::TRIMMED, Paddings::TRIMMED, Paddings::FILLED, Paddings::WHOLE], "observed in ksh93, mksh and zsh: typeset -R5 d=' ab  '; typeset -Z5 z=' 4'; typeset -LZ5 l=0042; typeset -RZ5 r=4";
    /// What `typeset -ul` and `typeset -lu` keep.
    both_cases: BothCases = [BothCases::Neither, BothCases::Neither, BothCases::Neither, BothCases::Neither, BothCases::Last, BothCases::Lower, BothCases::Neither], "observed in bash, ksh93, mksh and zsh: typeset -ul b=aB; echo $b; typeset -lu c=aB; echo $c";
    /// The option letters of `export`, `typeset` and their kin; a colon where one takes a value, a dot where it takes an
    /// attached number, a comma where it takes a type that is attached.
    declaration_letters: &'static str = ["p", "aAcfFgIilnprtux", "p", "np", "a,AbCE.F.fgH.hi.L.lM:mnpR.rS.stT:uxZ.X.", "afgi.L.lnpR.rtUuxZ.", "aAfE/F/gHhi/klL/mpR/rtTUuxZ/"], "observed with each letter";
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
    /// `unset -n` takes away a variable that is the name of another one.
    unset_names: bool = [N, Y, N, N, Y, N, N], "observed in all six: typeset -n r=x; unset -n r; echo after";
    /// `typeset -u` and its kin also change the value that the variable has already.
    attributes_change_values: bool = [N, N, N, N, Y, Y, Y], "observed in all six: x=abc; typeset -u x; echo $x";
    /// What a command has made read-only can still be assigned by that command.
    freezing_ends_with_command: bool = [N, N, N, N, Y, N, N], "observed in all six: readonly n=1 n=2; echo $n";
    /// Which of the indexes that mean all elements end the shell in a declaration.
    whole_indexes_end_declarations: &'static str = ["", "", "", "", "@*", "@", ""], "observed in bash, ksh93, mksh and zsh: typeset a[@]=x; echo next; typeset a[*]; echo next";
    /// A number without a value is 0 once it is of another kind.
    retyped_numbers_are_zero: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: typeset -i n; typeset +i n; echo ${n-unset}";
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
    /// `export +x` takes an attribute back.
    export_takes_back: bool = [N, N, N, N, Y, Y, Y], "observed in all six: export +x; echo $?";
    /// The status of `unset` for an element with more behind its index.
    unset_of_more_status: Status = [1, 0, 1, 1, 1, 1, 1], "observed in bash and ksh93: typeset -A a; unset 'a[]]'; echo $?";
    /// A real that gets another number of digits in the same form keeps those that it did not show.
    reals_of_one_form_keep_digits: bool = [N, N, N, N, Y, N, N], "observed in ksh93: typeset -F2 f=1.2345; typeset -F4 f; echo $f";
    /// `type` and `whence` tell declaration utilities as reserved words.
    declarations_are_keywords: bool = [N, N, N, N, N, N, Y], "observed in zsh: whence -w export typeset";
    /// An argument of `shift`, `break`, `exit` and `return` that begins with a dash is an unknown option; a digit
    /// behind it makes it a status.
    numbers_are_no_options: bool = [N, N, N, N, Y, Y, N], "observed in all six: shift -x; echo after; (shift -1); echo $?; (exit -1); echo $?";
    /// An assignment before a command, or to the name of a loop, that is passed over ends the shell under `set -e`.
    passed_over_end_under_option: bool = [N, Y, N, N, N, N, N], "observed in all six: set -e; readonly r; r=1 echo a; echo after; for r in a; do :; done || echo after";
    /// The status of `unset -f` for what is no function.
    unset_no_function_status: Status = [0, 0, 0, 0, 0, 0, 1], "observed in all six: unset -f nosuch; echo $?";
    /// The status of `typeset` and its kin for an unknown option.
    declaration_usage_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: typeset -Q m; echo $?";
    /// A word of `typeset` or `local` that is no name ends the shell.
    bad_local_name_is_fatal: bool = [Y, N, Y, Y, Y, N, Y], "observed in all six: f() { typeset 1x; echo after; }; f";
    /// `name+=value` appends the text even if the variable holds a number.
    integers_append_text: bool = [N, N, N, N, N, Y, N], "observed in all six: typeset -i n=3; n+=1; echo $n";
    /// How a variable of `typeset -E` shows its number: the letter of `printf`, and how much less than
    /// asked for the precision is.
    scientific_numbers: (u8, usize) = [(b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'e', 1)], "observed in ksh93 and zsh: typeset -E3 f=1234.5; echo $f";
    /// `typeset -F` and `float` make variables that hold real numbers.
    real_variables: bool = [N, N, N, N, Y, N, Y], "observed in all six: typeset -F2 f=1.567; echo $f";
    /// `typeset -fu` marks functions that are to be read from files, which may not exist yet.
    typeset_marks_functions: bool = [N, N, N, N, Y, Y, Y], "observed in all six: typeset -fu nosuch; echo $?";
    /// `unset` of a read-only variable ends the shell.
    unset_read_only_is_fatal: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: readonly x; unset x; echo after";
    /// `unset -fv` is refused.
    unset_minds_both_kinds: bool = [N, Y, N, N, N, N, N], "observed in all six: unset -fv x; echo $?";
    /// A mistake in the index of an element that `unset` was given is told, and its status is 1.
    unset_survives_indexes: bool = [N, N, N, N, Y, N, Y], "observed in bash, ksh93, mksh and zsh: a=(1); unset 'a[1/0]'; echo $?";
    /// `unset` evaluates the index of an element though there is no such array.
    unset_reads_lost_indexes: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: unset 'w[i++]'; echo $i";
    /// A declared list for an array of the other kind ends the line, outside functions.
    list_of_other_kind_ends_line: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -A a; declare -a a=(x); echo after";
    /// `typeset -m new=old` gives a variable another name.
    declarations_move: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: x=3; typeset -m y=x; echo $y; x=3; typeset -m x; echo after";
    /// A name without an alias that `alias` has been asked for is one that `unalias` can take away.
    asked_aliases_are_known: AskedAliases = [AskedAliases::Never, AskedAliases::Never, AskedAliases::Never, AskedAliases::Never, AskedAliases::All, AskedAliases::Passed, AskedAliases::Never], "observed in all six: alias nosuch; unalias nosuch; echo $?; alias -x no; unalias no; echo $?";
    /// Where an unknown name is no mistake of `alias`.
    unknown_aliases_pass: PassedAliases = [PassedAliases::None, PassedAliases::None, PassedAliases::None, PassedAliases::None, PassedAliases::Dashed, PassedAliases::Exported, PassedAliases::None], "observed in all six: alias -x nosuch; alias -- nosuch; echo $?";
    /// An element of an array can get a value in a declaration, but no kind, and no place in a function.
    elements_are_not_declared: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -a e[1]=x; echo $e";
    /// Which declarations with a value outlast an assignment of the same variable before them.
    declared_values_outlast: DeclaredValues = [DeclaredValues::Direct, DeclaredValues::OutsideOrLocal, DeclaredValues::Direct, DeclaredValues::Direct, DeclaredValues::All, DeclaredValues::Direct, DeclaredValues::None], "observed in all six: x=1 export x=5; echo $x; x=1 typeset x=5; echo $x; f() { x=1 local x=5; echo $x; }; f; echo $x";
    /// A mistake behind `integer`, `float` and `nameref` ends the command only.
    declaring_words_hold_mistakes: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: integer y='1+'; echo $?; nameref r='a b'; echo $?";
    /// A list is a mistake behind `typeset -i` and `-F`, and `unset` of an element of such a number.
    numbers_refuse_lists: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -ia a=(1 2); echo $a; typeset -i x; unset 'x[0]'; echo after";
    /// The assignments before a declaration are carried out before its words are expanded.
    declarations_see_assignments: bool = [N, N, N, N, Y, N, Y], "observed in all six: x=1 export y=$x; echo $y; x=1 typeset y=$x; echo $y";
    /// The status of `unset` for an element with an empty index, which changes nothing then.
    unset_empty_index_status: Option<Status> = [None, Some(0), None, None, None, None, Some(1)], "observed in bash, ksh93, mksh and zsh: a=(1 2); unset 'a[]'; echo $? ${a[@]}";
    /// `unset` reads only the start of a name, and passes over what is none.
    unset_reads_starts: bool = [N, N, N, N, N, Y, N], "observed in all six: unset a-b; echo $?; unset 1x; echo $?";
    /// `unset -f` of what is no name has the status 1.
    unset_minds_function_names: bool = [N, N, N, N, Y, N, Y], "observed in all six: unset -f 1x; echo $?";
    /// `typeset +a` and `+A` of an array are refused.
    arrays_stay: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(1); typeset +a a; echo $?";
    /// `readonly -n` makes nothing read-only.
    readonly_can_be_undone: bool = [N, Y, N, N, N, N, N], "observed in bash: readonly -n x; x=1; echo $?";
    /// How many bits integer variables have that are declared with `-s`, without it, and with `-l`.
    integer_bits: [u32; 3] = [[64, 64, 64], [64, 64, 64], [64, 64, 64], [64, 64, 64], [16, 32, 64], [32, 32, 32], [64, 64, 64]], "observed in ksh93 and mksh: typeset -i n=3000000000; echo $n; typeset -li l=3000000000; echo $l; typeset -si s=99999; echo $s";
    /// `typeset -ui` makes integers without a sign, and a base shows the bits of numbers below 0.
    unsigned_integers: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and mksh: typeset -ui y=-3; echo $y; typeset -i16 z=-3; echo $z";
    /// `typeset -p name=value` assigns.
    telling_assigns: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: typeset -p q=5; echo $q";
    /// `typeset -p -x name=value` assigns and does nothing else.
    told_kinds_are_forgotten: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: typeset -p -L4 n=ab; echo \"[$n]\"";
    /// A number stays one when its variable is declared to have letters of one case.
    numbers_outdo_case: bool = [N, Y, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -i x=3; typeset -u x; x=5+1; echo $x";
    /// A name that `getopts` or `unset` is given ends before an equals sign.
    names_end_at_equals: bool = [N, N, Y, Y, N, N, N], "observed in all six: o=1; unset o=; echo $o; getopts a o=z -a; echo $o";
    /// `local -I` keeps the value that is outside.
    locals_can_inherit: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: v=1; f() { local -I v; echo $v; }; f";
    /// What `typeset` behind `command` declares is gone when that ends.
    command_hides_declarations: bool = [N, N, Y, Y, N, Y, N], "observed in all six: f() { command local y=2; echo $y; }; f; x=1; command typeset x=2; echo $x";
    /// What base an integer variable has that was declared without one.
    integers_take_base: TakesBase = [TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::OfValue, TakesBase::OfLastBased], "observed in bash, ksh93, mksh and zsh: typeset -i m; m=1+16#ff; echo $m; m=8#17; echo $m";
    /// A value that is no number is lost when its variable becomes an integer.
    values_become_numbers_or_nothing: bool = [N, N, N, N, N, Y, N], "observed in ksh93, mksh and zsh: x='a b'; typeset -i x; echo $? ${x-unset}";
    /// `typeset -p` with the letter of a kind declares.
    kinds_outdo_telling: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: typeset -p -i x=1+2; echo $x";
    /// `typeset -x` in a function declares a variable outside, unless the function has one of that name.
    exported_declarations_are_global: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: f() { typeset -x n=1; }; f; echo $n; g() { local -x m=1; }; g; echo $m";
    /// One declaration cannot make a variable an integer and a real.
    integers_are_no_reals: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: typeset -i -F2 x=3; echo $? $x";
    /// A variable that is declared a number is no array, whatever `-a` or `-A` says.
    numbers_are_no_arrays: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -a -i n=3; echo $n";
    /// A read-only variable may be declared to be of another kind.
    read_only_kinds_change: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: x=1+2; typeset -r x; typeset -i x; echo $x";
    /// The attributes that cannot be taken back from a read-only variable, the status of trying to, and what that ends.
    read_only_keeps_marks: Option<(&'static [u8], Status, Reach)> = [None, None, None, None, Some((b"axr", 1, Reach::Shell)), Some((b"xr", 2, Reach::Command)), None], "observed in bash, ksh93, mksh and zsh: readonly x=3; typeset +x x; echo $?";
    /// The status of a declaration that would make a read-only variable one of another kind, where that is refused.
    read_only_kind_status: Option<Status> = [None, None, None, None, None, Some(2), None], "observed in mksh: typeset -r x=hi; typeset -i x; echo $? $x";
    /// The bases that an integer variable can be shown in; another one is 10, if it is not refused.
    integer_bases: (i64, i64) = [(2, 64), (2, 64), (2, 64), (2, 64), (2, 64), (1, 36), (2, 36)], "observed in ksh93, mksh and zsh: typeset -i65 a=65; echo $a; the same with 64, 37, 1 and 0";
    /// A declaration with another base is refused.
    other_bases_are_refused: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: typeset -i1 a=65; echo $? $a";
    /// Of `typeset -L` and `-R` together the left one counts.
    left_field_wins: bool = [N, N, N, N, N, Y, N], "observed in ksh93 and mksh: typeset -L3 -R3 t=abcd; echo $t";
    /// One declaration cannot make a variable a number and give it a field.
    fields_hold_no_numbers: bool = [N, N, N, N, Y, N, N], "observed in ksh93, mksh and zsh: typeset -i -Z6 t=42; echo $t";
    /// `readonly -a name` and `export -a name` make an array of a name without a value.
    export_makes_arrays: bool = [N, N, N, N, N, Y, Y], "observed in bash and zsh: readonly -a r; declare -p r";
    /// `readonly` makes variables of the function that it stands in.
    readonly_is_local: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { readonly x=1; }; x=0; f; echo $x";
    /// The words of a declaration see what those before them assign: `typeset x=1 y=$x`.
    declarations_assign_in_turn: bool = [N, N, N, N, Y, N, N], "observed in all six: x=o; export x=in y=$x; echo $y; i=0; typeset i=5 j=$((i+1)); echo $j";
    /// `unset` of an element but the first, of a variable that is no array, is a mistake.
    unset_minds_elements_of_text: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: x=a; unset 'x[1]'; echo $?; unset 'x[@]'; echo $?";
    /// `unset` of the element 0 of a variable that is there is a mistake.
    unset_minds_index_zero: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=(p q); unset 'a[0]'; echo $?";
    /// `unset` of a key that an associative array does not have is a mistake.
    unset_minds_missing_keys: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93 and zsh: typeset -A h; unset 'h[k]'; echo $?";
    /// What `unset 'a[@]'` takes away.
    unset_all: UnsetAll = [UnsetAll::Variable, UnsetAll::Elements, UnsetAll::Variable, UnsetAll::Variable, UnsetAll::Refused, UnsetAll::Fatal, UnsetAll::Value], "observed in bash, ksh93 and zsh: a=(1 2); unset 'a[@]'; echo ${#a[@]}; typeset -A h; h[k]=v; unset 'h[@]'; echo ${#h[@]}";
    /// An indexed array cannot become an associative one, nor the other way round.
    arrays_keep_their_kind: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -a a; declare -A a; echo $?";
    /// A variable of a function is exported if the one that it hides is.
    locals_inherit_export: bool = [N, Y, N, Y, N, N, N], "observed in all six: export v=1; f() { local v=2; env; }; f";
    /// A variable of a function stays declared when `unset` has taken its value away.
    unset_locals_stay: bool = [N, Y, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: f() { local v=1; unset v; typeset -p v; }; f";
    /// The option letters of `local`, where it has options.
    local_letters: Option<&'static str> = [Some(""), Some("aAcfFgIilnprtux"), None, None, Some(""), Some("afgi.L.lnpR.rtUuxZ."), Some("aAE/F/Hhi/lL/pR/rtTUuxZ/")], "observed in all six: f() { local -r x=1; local -- y=2; local -g z=3; }; f";
    /// `local` finds out when the function ends that a name with a value is none.
    local_finds_bad_names_late: bool = [N, N, Y, Y, N, N, N], "observed in all six: f() { local 1x=2; echo in; }; f; echo after";
    /// The option letters of `integer`, where it has not those of `typeset`.
    integer_letters: Option<&'static str> = [None, None, None, None, None, None, Some("HL/R/Z/ghi/lp.rtux")], "observed in ksh93, mksh and zsh: integer -a x=5; integer -U x=5";
    /// The option letters of `float`, where it has not those of `typeset`.
    float_letters: Option<&'static str> = [None, None, None, None, None, None, Some("E/F/HL/R/Z/ghlp.rtux")], "observed in ksh93 and zsh: float -a x=5; float -i x=5";
    /// An attribute changes all elements that an array has already.
    attributes_change_elements: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: a=(x y); typeset -u a; echo ${a[@]}";
    /// `typeset -a` makes the value that a variable has its first element; otherwise the value is lost.
    texts_become_elements: bool = [Y, Y, Y, Y, Y, Y, N], "observed in bash, ksh93, mksh and zsh: x=5; typeset -a x; echo ${x[@]}";
    /// An index in a text ends at the first bracket that closes; behind it there is nothing.
    index_ends_at_bracket: bool = [N, Y, N, N, Y, N, N], "observed in all six: k='a]b'; unset \"d[$k]\"";
    /// `declare -c` keeps a value with one capital at its start.
    capital_attribute: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -c x=ab; echo $x";
    /// `unset 'x[0]'` takes a variable away that is no array.
    unset_first_element_of_text: bool = [N, Y, N, N, Y, Y, N], "observed in all six: x=a; unset 'x[0]'; echo ${x-unset}";
    /// There are associative arrays.
    associative_arrays: bool = [N, Y, N, N, Y, N, Y], "observed in all six: typeset -A m; m[k]=v; m[j]=w; echo ${m[k]}";
    /// A declaration without a value makes the variable empty.
    declaration_makes_empty: bool = [N, N, N, N, N, N, Y], "observed in all six: declare y; echo ${y-unset}";
    /// An unknown option of `typeset` and its kin ends the shell.
    typeset_option_is_fatal: bool = [Y, N, Y, Y, Y, N, N], "observed in all six: typeset -Q x; echo after";
    /// An unknown option of `export` ends the shell.
    export_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: export -Q x; echo after";
    /// A real that is declared again without a number of digits keeps its own.
    reals_keep_digits: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: float -F3 f=3.14159; typeset -F f; echo $f";
    /// A variable that a declaration takes from an assignment before it stays exported.
    taken_temporaries_stay_exported: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: z=y readonly z; env | grep z=";
    /// The same where nothing is declared of it that lasts: neither outside a function nor with an attribute.
    plain_declarations_take_temporary: bool = [N, N, N, N, Y, N, N], "observed in bash and ksh93: z=y typeset z; echo $z";
    /// A declaration utility declares the variable that was assigned before it.
    declarations_take_temporary: bool = [N, Y, N, N, Y, N, N], "observed in all six: z=y typeset z; echo $z";
    /// A variable that was assigned before a function, and is exported or frozen inside, gives the one that it stands
    /// for its last value and its attributes.
    temporaries_pass_on_values: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -i x=3; f() { export x=4+4; x=5+5; }; x=t f; typeset -p x";
    /// A value that `typeset` assigns to a number or a field makes it plain text, unless `typeset` says otherwise; and
    /// the variable is not exported any more.
    typeset_values_are_plain: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: typeset -ix x=3; typeset x=1+1; typeset -p x";
    /// `typeset +x`, without a value, makes no variable of the function, and changes none of another.
    plus_makes_no_local: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: x=7; function f { typeset +x x; echo $x; }; f";
    /// `declare -g` means the variable outside of all functions.
    global_is_outermost: bool = [N, Y, N, N, Y, N, N], "observed in all six: g() { typeset -g v=1; }; f() { typeset v; g; echo $v; }; f";
    /// Declaration utilities take `name+=value`.
    declarations_append: bool = [N, Y, N, N, N, Y, N], "observed in all six: a=1; export a+=4";
    /// The option letters of `export` and `readonly`.
    export_letters: &'static str = ["p", "aAfnp", "p", "np", "p", "p", "aE/F/fHhi/lL/pR/rtTUuZ/"], "observed in all six: export -n x=1";
    /// The options of `readonly`; a dot says that a number may follow.
    readonly_letters: &'static str = ["p", "aAfnp", "p", "np", "p", "p", "aAE/F/fgHhi/lL/pR/tTUuxZ/"], "observed in all six: readonly -x; readonly -n x=1; readonly -U x=1";
    /// What `unset` without a name does.
    unset_nothing: Outside = [Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Fatal, Outside::Allowed, Outside::Fails], "observed in all six: unset; echo $?";
    } };
}
pub(in crate::dialect) use declaring_rows;
