//! The rows of the table about how words are expanded.

/// Hands these rows, behind others, to the next macro of a chain.
macro_rules! expanding_rows {
    ($next:ident $($chain:ident)*; $($rows:tt)*) => { $next! { $($chain)*; $($rows)*
    /// `${!x[0]}` is the name alone where x is no array.
    first_element_is_the_name: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and mksh: b=z; echo ${!b[0]} ${!b[1]}";
    /// A pattern that matches no pathname stays as it is; otherwise it is an error.
    keeps_unmatched: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: echo nosuch*";
    /// Patterns that match no pathname vanish, but it is an error if none of a list of words matches any.
    unmatched_vanish_together: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt cshnullglob; echo nosuch* *.txt; echo nosuch*";
    /// What `:s/from/to/` replaces is a pattern.
    modifiers_replace_patterns: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt histsubstpattern; x=abc; echo ${x:s/b?/Q/}";
    /// `**` at the start of a part of a pathname finds files in all folders without a slash behind it.
    double_star_needs_no_slash: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt globstarshort; echo **.csv";
    /// What a pattern that matches nothing ends where it is an error.
    unmatched_ends: Reach = [Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Command], "observed: shopt -s failglob or zsh: label nosuch*; label after";
    /// GLOBIGNORE lists patterns of pathnames that no pattern matches.
    glob_ignore: bool = [N, Y, N, N, N, N, N], "observed: GLOBIGNORE='l*'; echo *id";
    /// Which patterns of `${x#p}` and `${x%p}` are groups: bars separate alternatives, parentheses need no sign.
    removal_groups: RemovalGroups = [RemovalGroups::Never, RemovalGroups::Never, RemovalGroups::Never, RemovalGroups::Never, RemovalGroups::OfSuffixes, RemovalGroups::Always, RemovalGroups::Never], "observed in all six: x=ab; echo ${x#b|a} ${x#(a|b)} ${x%b|a}; p='(a|b)'; echo ${x%$p}";
    /// A parenthesis that nothing closes in a pattern of `case` or `${x#p}` is an error.
    open_group_is_error: bool = [N, N, N, N, N, N, Y], "observed in zsh: x=a; echo ${x#(}";
    /// What joins `$*` in a here-document.
    document_joiner: DocumentJoiner = [DocumentJoiner::Ifs, DocumentJoiner::SpaceForParameters, DocumentJoiner::Ifs, DocumentJoiner::Ifs, DocumentJoiner::Space, DocumentJoiner::IfsOrSpace, DocumentJoiner::Ifs], "observed in all six: IFS=:; set -- a b; read x <<E with $*; in bash also with ${a[*]}, ${*/x/y}";
    /// Quotes in the replacement of `\"${x/p/r}\"` quote, and are taken away.
    replacement_unquotes: bool = [N, Y, N, Y, Y, Y, N], "observed in all six: x=abc; echo \"${x/b/'q r'}\"";
    /// An unquoted `&` in a replacement stands for what was matched.
    replacement_ampersand: bool = [N, Y, N, N, N, N, N], "observed in all six: x=abc; echo ${x/b/&}";
    /// A backslash that an unquoted expansion brings into a replacement quotes a backslash behind it, and
    /// an `&` that would stand for the match.
    replacement_backslashes: bool = [N, Y, N, N, Y, N, N], "observed in all six: y='\\\\a'; x=bc; echo ${x/b/$y} ${x/b/\"$y\"}";
    /// A digit behind a backslash stands for a group of the match in a replacement, and `\0` for all of the match.
    replacements_name_groups: bool = [N, N, N, N, Y, N, N], "observed in all six: x=10-20; echo ${x/@(10)-@(20)/\\2-\\1}";
    /// A group may have `{2}` or `{2,3}` before it, and a dash after its sign: then it comes as rarely as what follows allows.
    counted_groups: bool = [N, N, N, N, Y, N, N], "observed in all six: case aa in {2}(a)) echo yes; esac; x=aab; echo ${x##+-(a)} ${x##{1,2}-(a)}";
    /// Parentheses without a sign before them are groups inside of groups.
    parentheses_group_in_groups: bool = [N, N, N, N, Y, Y, N], "observed in all six: case ac in @(a(b|c))) echo yes; esac; echo @((l|L)id)";
    /// `${x/#/r}` puts the replacement before the value.
    empty_anchor: bool = [N, Y, N, N, N, Y, Y], "observed in all six: x=abc; echo ${x/#/p}";
    /// `~0` stands for the first folder of the stack of `pushd`.
    tilde_numbers: bool = [N, Y, N, N, N, N, Y], "observed in all six: echo ~0";
    /// A tilde is expanded at the start of the pattern of `${x/#p/r}`.
    tilde_in_anchored: bool = [N, N, N, N, N, Y, Y], "observed in all six: x=~; echo ${x/#~/T}";
    /// Which IFS the expansions of a word are split by, where one of them changes it.
    split_by: SplitBy = [SplitBy::Last, SplitBy::Last, SplitBy::Last, SplitBy::Last, SplitBy::EachIfFirst, SplitBy::Each, SplitBy::Each], "observed in all six: x='a:b c'; unset IFS; echo $x${IFS=:}$x; in zsh under shwordsplit";
    /// `$@` and `$*` count as set even without parameters.
    at_is_always_set: bool = [N, N, Y, Y, N, N, N], "observed in all six: set --; echo ${@-a}";
    /// A pattern that matches an empty text is replaced in a list without elements too.
    empty_lists_are_replaced: bool = [N, N, N, N, Y, N, N], "observed in all six: set --; echo ${@//*/x}";
    /// Under `set -u` a removal or a replacement in all elements of an array that is not set is a mistake.
    changes_mind_unset_arrays: bool = [N, N, N, N, Y, N, N], "observed in all six: set -u; echo \"${a[@]#x}\"";
    /// `${x/p/r}` with an empty pattern leaves the pattern and the replacement behind the value.
    empty_pattern_leaves_pieces: bool = [N, N, N, Y, N, N, N], "observed in busybox 1.35: x=abc; echo ${x/$n/r}k \"${x/$n/r}k\"";
    /// Tildes are expanded in the words of operations in a here-document.
    document_words_have_tildes: bool = [N, N, N, N, N, Y, N], "observed in all six: read -r z <<E; echo $z; with ${HOME+~} in the document";
    /// `${x::1}`, where a length stands behind nothing, is a mistake.
    length_needs_offset: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo ${x::1} ${x:$n:1}";
    /// The first alternative of a group that leads to a match counts, and not the one that makes it longest; and a match of
    /// nothing is replaced too.
    alternatives_in_order: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo ${x##@(a|ab)} ${x/@(|b)/r}; in zsh with bare parentheses";
    /// `<1-9>` is a range of numbers in patterns, and no redirection.
    number_ranges: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo batch<1-9>.csv <1-9>(N); [[ 05 = <1-9> ]]";
    /// `${x[1..3]}` is the elements between two indexes.
    element_ranges: bool = [N, N, N, N, Y, N, N], "observed in all six: x=(a b c d); echo ${x[1..2]} ${x[..2]} ${!x[1..2]}";
    /// `~(i)` and other options in parentheses say how the rest of a pattern is read.
    pattern_options: bool = [N, N, N, N, Y, N, N], "observed in all six: [[ LID == ~(i)lid ]]; echo ~(N)nosuch* ~(E)^l.d$; x=abbc; echo ${x/~(E)b+/-}";
    /// Patterns of `[[`, `${x#p}` and their kin leave what they and their groups have matched in the array that `=~` fills.
    patterns_fill_match_array: bool = [N, N, N, N, Y, N, N], "observed in ksh93: [[ abc == @(a)* ]]; echo \"${.sh.match[@]}\"";
    /// The variable whose value is a pattern of names that no pattern of pathnames matches; where it is there, hidden names
    /// are no others.
    left_out_names: &'static str = ["", "", "", "", "FIGNORE", "", ""], "observed in all six: FIGNORE='*.csv'; echo * .*";
    /// `${x:1:}`, where nothing stands for the length, is a mistake.
    length_is_needed: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo ${x:1:}";
    /// `${x/#p/r}` of what is not set stands for the text behind its first slash, the pattern expanded.
    anchored_unset_is_text: bool = [N, N, N, N, Y, N, N], "observed in all six: unset x; y=q; echo ${x/#$y/r} ${x/%a}";
    /// `.*` also matches `.` and `..`.
    dot_star_matches_dots: bool = [Y, N, Y, Y, N, N, N], "observed in all six: echo .* in a folder";
    /// In a bracket expression `^` negates as `!` does.
    caret_negates: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: echo [^a]*";
    /// `${#x}` counts characters of the locale, not bytes.
    lengths_in_characters: bool = [Y, Y, N, Y, Y, Y, Y], "observed with LANG=C.UTF-8: x=ä; echo ${#x}";
    /// Patterns match characters of the locale, not bytes.
    characters: bool = [Y, Y, N, N, Y, Y, Y], "observed with LANG=C.UTF-8: echo ?.txt beside a file named with a two-byte letter";
    /// Several slashes behind a component that is a pattern become one in the pathnames.
    squeezes_slashes: bool = [N, Y, N, N, N, N, N], "observed in all six: echo s*//k*";
    /// When quotes that hold `$@` and nothing else that is not empty make no argument at all.
    empty_at: EmptyAt = [EmptyAt::Alone, EmptyAt::Any, EmptyAt::Alone, EmptyAt::Alone, EmptyAt::Once, EmptyAt::First, EmptyAt::Last], "observed: x=; set --; printf '[%s]' \"$@$x\" \"$x$@\" \"$@$@\"";
    /// What an empty `$@` in the word of an operation between the same quotes does.
    empty_at_in_word: EmptyAtInWord = [EmptyAtInWord::Counts, EmptyAtInWord::Keeps, EmptyAtInWord::Counts, EmptyAtInWord::Counts, EmptyAtInWord::Hides, EmptyAtInWord::Counts, EmptyAtInWord::Counts], "observed in all six: set --; printf '[%s]' \"${x-$@}\" \"${x-$@}$@\"";
    /// What a command substitution between the same quotes as an empty `$@` does.
    empty_at_beside_command: Beside = [Beside::Nothing, Beside::Nothing, Beside::Nothing, Beside::Nothing, Beside::Nothing, Beside::Vanishes, Beside::Keeps], "observed in all six: set --; printf '[%s]' \"$(true)$@\"";
    /// Unquoted `$@` and `$*` are joined with the first character of IFS before they are split, so that empty parameters can survive.
    joins_before_splitting: bool = [N, Y, N, N, N, Y, N], "observed: IFS=:; set -- a '' b; echo $@";
    /// White space of IFS that ends one expansion and a separator that begins the next count as one separator.
    splits_across_expansions: bool = [N, Y, N, N, N, N, N], "observed: IFS=' :'; x='a '; y=':b'; echo $x$y";
    /// A lone `$` behind the last expansion of a word keeps the whole word from being split.
    lone_dollar_keeps_whole: bool = [N, Y, N, N, N, N, N], "observed: IFS=:; y=a:b; echo $y$";
    /// In the expansion behind a `\"$@\"` in the same word, white space of IFS separates like any other character of IFS.
    strict_behind_quoted_at: bool = [N, N, Y, Y, N, N, N], "observed: set -- q; x='a  b'; printf '[%s]' \"$@\"$x";
    /// There, white space behind white space is skipped all the same.
    strict_blanks_merge: bool = [N, N, N, Y, N, N, N], "observed: IFS=' :'; set -- q; x='a : b'; printf '[%s]' \"$@\"$x";
    /// IFS is a list of characters of the locale, not of bytes.
    ifs_units: IfsUnits = [IfsUnits::Characters, IfsUnits::CharactersAndStrayBytes, IfsUnits::Bytes, IfsUnits::Bytes, IfsUnits::Characters, IfsUnits::Bytes, IfsUnits::Characters], "observed with LANG=C.UTF-8 in all six: IFS='ä'; x=$'aäb\\xc3c'; printf '[%s]' $x";
    /// A pattern or a text that is no UTF-8 is matched byte by byte.
    broken_text_matches_bytes: bool = [N, Y, N, N, N, N, N], "observed with LANG=C.UTF-8 in bash, ksh93, mksh and zsh: case ä in *$'\\xa4') echo yes; esac; case $'ä\\xff' in ???) echo yes; esac";
    /// `read` splits characters of several bytes at one of their bytes that is in IFS.
    read_cuts_characters: bool = [N, N, N, N, Y, N, N], "observed with LANG=C.UTF-8 in bash, ksh93, mksh and zsh: IFS=$'\\xc3'; read x y <<< aéb; echo $y";
    /// White space of IFS before a separator of several bytes belongs to that separator.
    blank_joins_wide_separator: bool = [Y, N, Y, Y, Y, Y, Y], "observed with LANG=C.UTF-8: IFS=' ä'; x='a äb'; echo $x";
    /// In a word with an expansion, characters of IFS that the author wrote count as quoted, so that they form no patterns.
    expansion_quotes_literal_ifs: bool = [N, Y, N, N, N, N, N], "observed: IFS='*'; echo *$y";
    /// In a word with `$@` or `$*`, white space of IFS at the start and a separator behind it count as one separator.
    leading_blank_joins_under_at: bool = [N, Y, N, N, N, N, N], "observed: IFS=': '; set -- ' ' a; printf '[%s]' $@";
    /// In double quotes with `$@`, a backslash that stands for itself is split at if it is in IFS.
    bare_backslash_under_at: bool = [N, Y, N, N, N, N, N], "observed: IFS='\\\\'; printf '[%s]' \"a\\\\n$@\"";
    /// An empty last parameter of `\"$@\"` makes no argument when an unquoted expansion follows in the word.
    last_empty_parameter_needs_word_end: bool = [N, N, Y, Y, N, N, N], "observed: set -- ''; printf '[%s]' \"$@\"$z";
    /// Behind an expanded tilde and a colon, all up to the next slash is quoted text, even what looks like an expansion.
    tilde_word_is_quoted: bool = [N, Y, N, N, N, N, N], "observed: echo ~:$HOME";
    /// When `a{b,c}` makes two words.
    braces: Braces = [Braces::None, Braces::Written, Braces::None, Braces::None, Braces::Fields, Braces::Fields, Braces::Fields], "observed in all six: x={a,b}; echo {a,b} $x";
    /// Which ranges such as `{1..3}` there are.
    brace_ranges: BraceRanges = [BraceRanges::None, BraceRanges::Padded, BraceRanges::None, BraceRanges::None, BraceRanges::Plain, BraceRanges::None, BraceRanges::Turned], "observed in all six: echo {01..3} {1..9..-3} {1..a}";
    /// The dots of a range between braces may be quoted, or come from values.
    quoted_dots_make_ranges: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: echo {1'..'3}; x=1..3; echo {$x}";
    /// In braces the commas, dots and openers of values count that are quoted, or behind an opener; closers do not. Under
    /// `set -f` all that is quoted counts.
    quoted_values_have_commas: bool = [N, N, N, N, Y, N, N], "observed in all six: x=a,b; echo {c,$x} {c,\"$x\"}; x={a,b}; echo {c,$x}";
    /// An opening brace in double quotes in the word of a `"${x-word}"` makes the brace that closes the operation a part
    /// of its value, where that makes fields.
    inner_opener_shows_closer: bool = [N, N, N, N, Y, N, N], "observed in all six: echo \"${x-\"{\"}\"";
    /// Behind an unquoted opening brace an expansion in the same word is neither split nor a pattern; it is split
    /// under `set -f`.
    brace_stops_splitting: bool = [N, N, N, N, Y, N, N], "observed in all six: x='a b'; echo {$x,c}; set -f; echo {$x,c}";
    /// A backslash before a slash is dropped even behind a component that is a pattern.
    escapes_slash_behind_pattern: bool = [Y, N, Y, Y, N, N, N], "observed: x='s*\\/k*'; echo $x";
    /// Which parameters an operation must have found before its word is expanded.
    operands_wait: OperandsWait = [OperandsWait { removal: Wait::Set, replacement: Wait::Set, substring: Wait::Set }, OperandsWait { removal: Wait::Text, replacement: Wait::Elements, substring: Wait::Set }, OperandsWait { removal: Wait::Set, replacement: Wait::Set, substring: Wait::Set }, OperandsWait { removal: Wait::Set, replacement: Wait::Set, substring: Wait::Set }, OperandsWait { removal: Wait::Elements, replacement: Wait::Never, substring: Wait::Never }, OperandsWait { removal: Wait::Never, replacement: Wait::Never, substring: Wait::Never }, OperandsWait { removal: Wait::Never, replacement: Wait::Never, substring: Wait::Never }], "observed in all six: unset z; echo ${z%${o=1}} ${z/a/${p=1}} ${z:1:${q=1}} $o $p $q; the same with z= and set --";
    /// The replacement of `${x/p/r}` is expanded for each match, and not without one.
    replacement_for_each_match: bool = [N, N, N, N, Y, N, N], "observed in all six: x=aa; n=0; echo ${x//a/$((n+=1))} ${x/b/$((n+=1))} $n";
    /// In an assignment a tilde behind a colon in the word of `${x-word}` is expanded.
    tilde_in_assigned_words: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: y=; v=${y+a:~}; echo $v";
    /// A tilde in a word of `${x-word}` that is not used hides the rest of its name up to a brace, which ends what stands around.
    unused_tilde_hides_brace: bool = [N, N, Y, Y, N, N, N], "observed in all six: unset v; echo ${v+~${#x}a}b";
    /// `${#@}` counts the bytes of all parameters.
    lengths_of_lists_in_bytes: bool = [N, N, N, Y, N, N, N], "observed in busybox with UTF-8: set -- ä; echo ${#@} ${#1}";
    /// The latest base that a constant has named becomes that of an integer variable without one.
    constants_give_bases: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: ((n=0x1F)); echo $n; typeset -i i; ((i=2#11)); echo $i";
    /// `?` where a value stands in an expression is the status of the latest command.
    status_is_a_number: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: false; echo $((?+1))";
    /// An assignment in arithmetic makes a new variable one of numbers.
    arithmetic_makes_numbers: bool = [N, N, N, N, N, N, Y], "observed in all six: ((v=1)); v=2+3; echo $v";
    /// `${x[@]:=word}` assigns the element `@` of an associative array, and is a mistake for others.
    whole_index_is_key: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -A m; : ${m[@]:=x}; declare -p m; : ${a[@]:=x}";
    /// In the word and the patterns of `case`, quotes that an expansion has emptied leave a byte 127 behind.
    emptied_quotes_leave_mark: bool = [N, Y, N, N, N, N, N], "observed in all six: y=b; case \"${y#b}\"a in ?a) echo yes;; esac; set -- '' b; case \"$@\" in ?' b') echo yes;; esac";
    /// While the word of an assignment, a `case`, a `[[ ]]`, a here-document or a quoted `${x-word}` is expanded, an unquoted `$*` in commands inside it is joined too.
    star_joins_in_commands: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=; set -- a b; x=$(echo $*); echo $x";
    /// The word of an unquoted `${x-word}` with an unquoted `$@` in it is split and joined with spaces before the word around it is split.
    lists_in_words_are_rejoined: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=:; set -- a 'b c'; printf '[%s]' ${x-$@} ${x-q:$@}";
    /// Under an empty IFS the keys of `${!a[*]}` are one field with spaces between them, the names of `${!x*}` one without.
    star_keys_are_joined: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh: IFS=; a=(p q); printf '[%s]' ${!a[*]}; x1= x2=; printf '[%s]' ${!x*}";
    /// Whether `${@:-word}` uses its word is decided by the first parameter.
    first_parameter_decides: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- '' a; echo ${@:-q}";
    /// A bracket that nothing closes in the pattern of `${x#p}` is a mistake if x is not set, and in a here-document; else it is text.
    open_bracket_ends_shell: bool = [N, N, N, N, Y, N, N], "observed in all six: echo ${x#[}; echo after";
    /// What `${x/p/r}` puts in is split apart from what it leaves.
    replacements_stay_apart: bool = [N, N, N, N, Y, N, N], "observed in all six: IFS=' :'; x='a b'; echo ${x/b/:c}";
    /// A colon ends a tilde-prefix outside assignments too.
    colon_ends_tilde: bool = [N, Y, N, N, Y, N, N], "observed in all six: echo ~:a";
    /// A backslash in an unquoted value escapes the next character of a pattern.
    value_backslash_escapes: bool = [Y, Y, Y, Y, N, N, Y], "observed: y='\\[q*'; echo $y beside a file [q]";
    /// Character classes such as `[:alpha:]` know letters beyond ASCII.
    wide_classes: bool = [Y, Y, N, N, Y, N, Y], "observed: echo [[:alpha:]]* beside a file named with a two-byte letter";
    /// Double quotes inside `\"${x-...}\"` end the quoting.
    inner_quotes_unquote: bool = [N, N, N, N, Y, N, N], "observed: printf '[%s]' \"${z-\"a b\"}\"";
    /// In an assignment, unquoted or quoted `$@` is joined with spaces whatever IFS is.
    at_joins_with_space: bool = [N, Y, N, N, Y, Y, N], "observed: IFS=:; set -- a b; x=$@";
    /// The index that `-v` was given is expanded once more.
    tested_index_expands: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: typeset -A A; k='$x'; A[$k]=1; [[ -v A[$k] ]]; echo $?; [[ -v 'A[$k]' ]]; echo $?";
    /// `[[ -v a[1,3] ]]` and `[[ -v a[(r)x] ]]` ask for elements.
    tests_ranges_of_elements: bool = [N, N, N, N, N, N, Y], "observed in zsh: a=(1 2 3); [[ -v a[1,3] ]]; echo $?; [[ -v a[(i)2] ]]; echo $?";
    /// A key that is assigned may have flags before it: behind `(e)` it is as it stands, others are a mistake.
    assigned_keys_have_flags: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: typeset -A h; h[(e)*]=x; echo ${!h[@]} ${(k)h}; h[(r)x]=y; echo after";
    /// An array has one place: what goes through its elements goes on behind the element that was looked up in between.
    arrays_have_one_place: bool = [N, N, N, N, Y, N, N], "observed in all six: a=(x y z); echo ${a[@]:0:${#a[@]}} ${a[@]#${a[1]}}";
    /// A tilde after `=` or `:` in an argument that looks like an assignment is expanded.
    tilde_in_arguments: bool = [N, Y, N, N, N, N, N], "observed: echo a=~ a=~:~";
    /// A tilde directly after the `=` of an argument is expanded.
    tilde_after_equals: bool = [N, N, N, N, N, Y, N], "observed: echo a=~";
    /// The word of `case`, its patterns and the operands of `[[ ]]` have tildes where arguments that look like
    /// assignments have them.
    lone_words_may_assign: bool = [N, Y, N, N, N, Y, N], "observed in all six: HOME=/hive; case x=~ in x=/hive) echo yes; esac";
    /// The name behind a tilde ends before an equals sign and another tilde, which is expanded too in the value of an
    /// assignment.
    sign_and_tilde_end_names: bool = [N, Y, N, N, N, N, N], "observed in all six: echo ~=~ a=~=~ a=~root=~";
    /// A colon ends the tilde at the start of what `${x=word}` assigns.
    colon_ends_assigned_tilde: bool = [N, N, N, N, N, Y, N], "observed in all six: unset q; echo ${q=~:~}";
    /// The values of an unquoted list are joined where a word gives IFS a value, and split by what IFS is behind it.
    lists_wait_for_ifs: bool = [N, N, Y, Y, N, N, N], "observed in all six: unset IFS; set -- a b; echo $*${IFS=:}$*";
    /// `${x/pattern/text}` replaces.
    replacement: bool = [N, Y, N, Y, Y, Y, Y], "observed: x=abc; echo ${x/b/-}";
    /// Quotes in the key of an associative array belong to it.
    keys_keep_quotes: bool = [N, N, N, N, N, N, Y], "observed in zsh: typeset -A m; m['a']=x; echo ${(k)m}";
    /// The end of an index is looked for anew in its text, in which quotes hide nothing.
    indexes_are_read_anew: bool = [N, N, N, N, N, N, Y], "observed in zsh: typeset -A h; h[a]=1; h[']']=2; echo ${h[')']}; typeset 'h[(]=x'";
    /// `$!` is 0 as long as no command has run in the background.
    no_job_is_zero: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $!";
    /// An operation with an unknown letter behind `@` is a mistake only if the parameter is set.
    bad_letter_needs_value: bool = [N, Y, N, N, N, N, N], "observed in bash: echo ${nosuch@y}";
    /// `${a[@]}` of an array without elements is unset under `set -u`.
    empty_arrays_are_unset: bool = [N, N, N, N, N, Y, N], "observed in all six: set -u; a=(); echo ${a[@]}";
    /// Of what `${#a[@]}` is a mistake under `set -u`.
    array_length_minds: LengthMinds = [LengthMinds::Nothing, LengthMinds::OtherThanArrays, LengthMinds::Nothing, LengthMinds::Nothing, LengthMinds::Nothing, LengthMinds::Unset, LengthMinds::Nothing], "observed in all six: set -u; echo ${#a[@]}; the same behind b=x; declare -a c; d=()";
    /// A negative index before the start of an array is a mistake even where a value is read, and one
    /// text has no last element.
    early_index_is_mistake: bool = [N, N, N, N, Y, N, N], "observed in all six: a=(x); echo ${a[-4]}; echo after; echo $((a[-4]))";
    /// An expression that assigns to an element before the start of an array goes on, and assigns nothing.
    expressions_pass_early_indexes: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(x); ((a[-4]=3)); echo $?";
    /// The length of an element before the start of an array, and of a text counted from its end, is a mistake.
    early_lengths_are_mistakes: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(x); echo ${#a[-4]}; echo after; x=5; echo ${#x[-1]}";
    /// What an index before the start of an array ends where a utility was given it.
    given_index_ends: Option<Reach> = [None, Some(Reach::Command), None, None, Some(Reach::Command), None, None], "observed in bash, ksh93, mksh and zsh: a=(x); read 'a[-4]' <<<y; echo after $?";
    /// The same behind a declaration utility.
    declared_index_ends: Option<Reach> = [None, Some(Reach::Command), None, None, None, None, None], "observed in bash, ksh93, mksh and zsh: a=(x); typeset 'a[-4]=y'; echo after $?";
    /// What a group that is not closed, or not for a bracket in it, makes of a pattern.
    open_groups: OpenGroups = [OpenGroups::ArePatterns, OpenGroups::BeginText, OpenGroups::ArePatterns, OpenGroups::ArePatterns, OpenGroups::MakeText, OpenGroups::UndoAll, OpenGroups::ArePatterns], "observed in all six: for p in '@(a*' '?@(a*'; do [[ '@(a*' = $p ]]; echo $?; [[ 'x@(ab' = $p ]]; echo $?; done";
    /// Which values are read only when the operands of an operation on them have been expanded.
    values_behind_operands: ValuesBehind = [ValuesBehind::None, ValuesBehind::None, ValuesBehind::None, ValuesBehind::None, ValuesBehind::Texts, ValuesBehind::All, ValuesBehind::Lost], "observed in all six: x=75; echo ${x%$((x=5))}; x=123; echo ${x:$((x=9))}; unset u; echo ${u%${u=z}7}";
    /// `#` and `%` at the start of the pattern of `${x/p/r}` count too if an expansion has put them there.
    anchors_in_values: bool = [N, Y, N, N, N, N, N], "observed in bash, busybox sh, ksh93, mksh and zsh: x=abab p='#a'; echo ${x/$p/q} ${x//$p/q} ${x/\"$p\"/q}";
    /// What the pattern of a replacement matches that ends in a backslash which quotes nothing.
    open_backslash: OpenBackslash = [OpenBackslash::Matches, OpenBackslash::MatchesSuffixes, OpenBackslash::Matches, OpenBackslash::Matches, OpenBackslash::Fails, OpenBackslash::Matches, OpenBackslash::Matches], "observed in bash, busybox sh, ksh93, mksh and zsh: x='ab\\' p='b\\'; echo ${x/$p/q} ${x/%$p/q}";
    /// The text that `${x/p/r}` puts in is expanded before the pattern.
    replacement_before_pattern: bool = [N, N, N, N, N, Y, N], "observed in all six: x=b20c n=1; echo ${x/$((n*=2))/$((n*=10))}";
    /// The characters of a value between double quotes that the shell puts a mark before in its memory.
    marked_characters: &'static str = ["", "", "!*?[=~:/-]\\", "!*?[=~:-]\\", "", "", ""], "observed in dash and busybox sh: set -- -a b; printf '[%s]' \"${@%x}\"; set -- a/b c; printf '[%s]' \"${@%b}\"";
    /// Those of them before which the mark counts in a pattern.
    marks_before_patterns: &'static str = ["", "", "!*?[=~:/-]\\", "!*?[-]^\\", "", "", ""], "observed in dash and busybox sh: set -- '-/x*' '' '[' '\\=b'; printf '[%s]' \"${@%'='}\"";
    /// The search for the longest prefix of a list ends at once behind a pattern that ends in a star.
    longest_prefix_hastens: bool = [N, N, N, Y, N, N, N], "observed in dash and busybox sh: set -- a/b c-d 'e f'; printf '[%s]' \"${@##*/}\" \"${@##*/*}\"";
    /// `${%x}` is the number of columns that a value takes.
    widths: bool = [N, N, N, N, N, Y, N], "observed in all six: x=ab; echo ${%x}";
    /// The index `@` of an array is 0 in arithmetic, with a message.
    whole_array_is_zero: bool = [N, Y, N, N, N, N, N], "observed in all six: a=(1 2); echo $((a[@]))";
    /// The width of a number in bits.
    arithmetic_bits: u32 = [64, 64, 64, 64, 64, 32, 64], "observed in all six: echo $((1<<31))";
    /// A variable's value may itself be an expression.
    arithmetic_recursive: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: x=1+2; echo $((x*2))";
    /// A variable is looked up when its operator comes, behind the right operand.
    arithmetic_late_variables: bool = [N, N, N, Y, N, N, Y], "observed in all six: x=1; echo $((x + (x=5)))";
    /// `x += value` looks x up behind the value.
    arithmetic_late_assignments: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: x=1; echo $((x += (x=5)))";
    /// The status a shell ends with after an arithmetic error.
    arithmetic_status: Status = [2, 1, 2, 2, 1, 1, 1], "observed in all six: echo $((1/0)); echo $?";
    /// A tilde with a user who does not exist and a slash behind it swallows the rest of the word.
    unknown_user_cuts_word: bool = [N, N, N, Y, N, N, N], "observed: echo ~nouser/x";
    /// `~+` and `~-` stand for the folders that `cd` left and entered.
    tilde_folders: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: echo ~+";
    /// `~` with HOME unset asks the user database.
    tilde_asks_users: bool = [N, Y, N, N, Y, N, N], "observed: unset HOME; echo ~";
    /// `~` with an empty HOME is an empty argument rather than none.
    empty_home_is_a_field: bool = [Y, Y, N, N, N, N, Y], "observed: HOME=; printf '[%s]' ~";
    /// The status a shell ends with after a bad substitution.
    bad_substitution_status: Status = [2, 1, 2, 2, 1, 1, 1], "observed in all six: echo ${x!y}; echo $?";
    /// The status a shell ends with after `${x?}` or an unset parameter under `set -u`.
    unset_status: Status = [2, 1, 2, 2, 1, 1, 1], "observed in all six: SHELL file, with : ${x?} in it; echo $?; (: ${x?}); echo $?";
    /// The same behind `-c`, outside of subshells and without `set -e`.
    unset_status_of_texts: Option<Status> = [None, Some(127), None, None, None, None, None], "observed in all six: SHELL -c ': ${x?}'; echo $?; SHELL -ec ': ${x?}'; echo $?";
    /// `${!x}` of a variable that is not set is a mistake under `set -u`, though it is a name only.
    unset_has_no_name: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and mksh: set -u; echo ${!x}";
    /// The status of `${x=word}` that cannot assign, where it is another than that of assignments; but not behind
    /// `-c`, outside of subshells.
    failed_default_status: Option<Status> = [None, Some(2), None, None, None, None, None], "observed in all six: readonly x; (: ${x=1}); echo $?; the same without parentheses, in a file and behind -c";
    /// What becomes of a constant that is too large.
    arithmetic_large_constant: LargeConstant = [LargeConstant::Saturates, LargeConstant::Wraps, LargeConstant::Saturates, LargeConstant::Vanishes, LargeConstant::Real, LargeConstant::Wraps, LargeConstant::Truncates], "observed in all six: echo $((9223372036854775808)) $((99999999999999999999))";
    /// Arithmetic has real numbers.
    arithmetic_reals: Reals = [Reals::None, Reals::None, Reals::None, Reals::None, Reals::PointVanishes, Reals::None, Reals::PointStays], "observed in all six: echo $((1.5*2))";
    /// Reals are of C's `long double` with 64 digits in the base of two; otherwise of its `double`.
    extended_reals: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: echo $((1.0/3)) $((1e300*1e300))";
    /// `&&` and `||` cut what is behind the point of a real.
    logic_cuts_reals: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: echo $((0.5&&2)) $((0.5||0))";
    /// A value that is a minus sign and zeros, and all of an expression, is the real -0.
    minus_zero: bool = [N, N, N, N, Y, N, N], "observed in all six: z=-0; echo $(($z)) $((z)) $((-0))";
    /// Powers are computed as C's `pow` does, in `double`, even those of whole numbers.
    powers_are_doubles: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: echo $((3**39)) $((10**-1))";
    /// Arithmetic evaluates both sides of `&&`, `||` and `?:`, and looks a variable up only when its operator comes.
    arithmetic_eager: bool = [N, N, N, Y, N, N, N], "observed in all six: x=1; echo $((0&&x++)) $x";
    /// Asking for an element of a text makes it an array.
    asking_makes_arrays: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a=5; : ${a[0]}; typeset -p a";
    /// Reading an element that is not there makes it: it counts, but is passed over where others are missing.
    reading_makes_elements: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); echo $((a[4])) ${#a[@]}";
    /// An unset variable in arithmetic is an error under `set -u`.
    arithmetic_minds_unset: bool = [Y, Y, N, N, Y, N, Y], "observed in all six: set -u; echo $((x))";
    /// A mistake in a variable's value that is read as an expression ends the shell also in `((`, where one
    /// that is written there does not.
    arithmetic_value_mistake_ends: bool = [N, N, N, N, N, Y, N], "observed in mksh R59: x=1/0; ((x)); echo next";
    /// The index behind a name that is no variable is not looked at: in an expression and behind `-v`.
    index_needs_a_variable: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: echo $((a[1/0]))";
    /// A variable's value must not name a variable that is not set.
    arithmetic_value_names_must_be_set: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo $((x))";
    /// The result of an arithmetic expansion is not split.
    arithmetic_is_whole: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=1; echo $((11+2))";
    /// A `#` behind a blank begins a comment in `$((...))`: with the end of the expression in it, there is none.
    comments_end_expressions: bool = [N, Y, N, N, N, N, N], "observed in all six: set -e; echo $((1 #2)); and echo on the next line";
    /// What `${@#p}` and its kin do to a list.
    list_operations: ListOperations = [ListOperations::Each, ListOperations::Each, ListOperations::WholeString, ListOperations::WholeString, ListOperations::Each, ListOperations::Refused, ListOperations::Each], "observed in all six: set -- aay bby; echo ${@%y}";
    /// A backslash that comes from a value stands for itself before a quoted character of a pattern, and that character is a part of the pattern then.
    quotes_pair: QuotesPair = [QuotesPair::Always, QuotesPair::Always, QuotesPair::Before("!*?[]=~:/-\\"), QuotesPair::Before("!*?[]-\\"), QuotesPair::Before("*?[]\\"), QuotesPair::Never, QuotesPair::Never], "observed in all six: x='a\\'; case 'a\\zb' in $x\\*b) echo 1;; *) echo 2;; esac";
    /// A dot in a group at the start of a pattern matches that of a hidden name.
    groups_match_hidden: bool = [N, Y, N, N, Y, N, Y], "observed in bash, ksh93, mksh and zsh: echo @(.x|a) +(.)x";
    /// A slash ends a bracket expression when the shell looks whether a word is a pattern at all; a quoted one does not.
    slash_ends_brackets: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: shopt -s nullglob; echo [a/b] [a\\/b] [a/ [a\\/]";
    /// `${x/pattern/text}` of an unset x works on an empty value.
    replaces_unset: bool = [N, N, N, N, Y, Y, Y], "observed in all six: unset v; echo ${v/*/w}";
    /// Classes in patterns are named after IFS and WORDCHARS.
    classes_of_variables: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=:; case : in [[:IFS:]]) echo y;; esac; case / in [[:WORD:]]) echo y;; esac";
    /// How a bracket expression is read, and what a mistake in it makes of it.
    brackets: &'static Brackets = [&Brackets::POSIX, &Brackets { open_class: BracketMistake::Dropped, more_classes: &["word", "ascii"], symbols: Symbols::Names, equivalents: Equivalents::HidesCloser, open_range: BracketMistake::Fails, skips: Skips::Counting, ..Brackets::POSIX }, &Brackets { names: ClassNames::Known, unknown_class: BracketMistake::Text, symbols: Symbols::None, equivalents: Equivalents::None, ..Brackets::POSIX }, &Brackets { names: ClassNames::Letters, open_class: BracketMistake::Text, unknown_class: BracketMistake::Fails, open_symbol: BracketMistake::Fails, unknown_symbol: BracketMistake::Fails, open_range: BracketMistake::Fails, skips: Skips::Strictly, ..Brackets::POSIX }, &Brackets { open_class: BracketMistake::Spoils, unknown_class: BracketMistake::Spoils, more_classes: &["word"], class_in_range: ClassInRange::DropsDash, open_symbol: BracketMistake::Spoils, unknown_symbol: BracketMistake::Spoils, equivalents: Equivalents::UpToAlphanumeric, open_range: BracketMistake::Spoils, open: BracketMistake::Spoils, first_closer_vanishes: true, quoted_sign_shows_backslash: true, ranges_chain: true, ..Brackets::POSIX }, &Brackets { more_classes: &["word", "ascii"], class_in_range: ClassInRange::Apart, symbols: Symbols::Ascii, equivalents: Equivalents::AsSymbol, ..Brackets::POSIX }, &Brackets { names: ClassNames::FirstColon, open_class: BracketMistake::Text, more_classes: &["ascii", "IDENT", "IFS", "IFSSPACE", "WORD", "INCOMPLETE", "INVALID"], symbols: Symbols::None, equivalents: Equivalents::None, empty_sets: true, ..Brackets::POSIX }], "observed in all six: for p in '[[:]' '[z[.]' '[[=ab=]]' '[[:foo:]z]' '[a-[:alpha:]]' '[a-c-e]' '[!]a]' '[^]b'; do for c in a b z [ : ]; do case $c in $p) echo $p $c;; esac; done; done";
    /// The status after a here-document that cannot be read, where the shell finds that out when it expands it.
    unreadable_document_status: Option<Status> = [None, Some(1), None, None, Some(3), Some(1), Some(1)], "observed in all six: cat <<E with ${v-\"}";
    /// What a here-document ends that cannot be read; a program misses it in its own process.
    unreadable_documents_end: Reach = [Reach::Command, Reach::Command, Reach::Command, Reach::Command, Reach::Command, Reach::Command, Reach::Shell], "observed in all six: read x <<E with ${v; echo next; cat <<E with ${v; echo next";
    /// Of what is wrong in a here-document only `${` without `}` is found late.
    documents_are_read_but_for_braces: bool = [N, N, N, N, N, N, Y], "observed in all six: cat <<E with ${v, with $(echo, with $((1; echo $?";
    /// What a negative length of `${x:offset:length}` means.
    negative_length: NegativeLength = [NegativeLength::FromEnd, NegativeLength::FromEnd, NegativeLength::FromEnd, NegativeLength::FromEndOrRest, NegativeLength::Nothing, NegativeLength::Rest, NegativeLength::FromEndIfThere], "observed in all six: x=abcde; echo ${x:1:-1} ${x:2:-9}";
    /// A negative offset of `${@:offset}` never reaches `$0`.
    negative_offset_skips_zero: bool = [N, N, N, N, N, N, Y], "observed in all six: set -- a; echo ${@: -2}";
    /// An offset of `${x:offset}` before the start means the start.
    early_offset_is_start: bool = [N, N, N, N, Y, Y, Y], "observed in all six: x=abc; echo ${x: -9}";
    /// An empty last parameter of an unquoted `$@` that is not the only one is an argument.
    last_empty_parameter_stays: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- a ''; echo $@";
    /// `${@:-x}` counts parameters that are all empty as none.
    all_empty_is_none: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- '' ''; echo ${@:-x}";
    /// An expansion behind a tilde gives the name of the user.
    tilde_reads_expansions: bool = [N, N, N, N, Y, N, N], "observed in all six: x=root; echo ~$x ~'/a'";
    /// What becomes of a slash at the end of HOME.
    home_slash: HomeSlash = [HomeSlash::Stays, HomeSlash::Stays, HomeSlash::Stays, HomeSlash::Stays, HomeSlash::RootVanishes, HomeSlash::Vanishes, HomeSlash::Stays], "observed in all six: HOME=/h/; echo ~/x; HOME=/; echo ~/x";
    /// The offset of a slice of an array is an index, also where elements are missing.
    slices_go_by_index: bool = [N, Y, N, N, Y, N, N], "observed in bash, ksh93 and mksh: a[3]=q; a[8]=r; echo ${a[@]:4:1}";
    /// Slices of associative arrays count the elements from 1; 0 means the first one too.
    keyed_slices_count_from_one: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: declare -A h=([a]=1 [b]=2); echo ${h[@]:1:1} ${h[@]:2}";
    /// The length of a substring is looked at only when the offset lies in the text.
    length_is_late: bool = [N, Y, N, N, N, N, N], "observed in all six: x=abc; echo ${x:9:i++} $i";
    /// `[[:<:]]` and `[[:>:]]` are the places where a word begins and ends.
    word_places: bool = [N, N, N, N, N, Y, N], "observed in mksh: case 'a b' in *[[:\\<:]]b) echo yes; esac";
    /// A comma in the word of `${x-word}` separates only between braces of that word.
    commas_in_words_are_text: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: echo {${x-a,b},c}";
    /// The variable that keeps what a pattern has matched: read-only, and each function has its own.
    match_variable: Option<&'static str> = [None, None, None, None, None, Some("KSH_MATCH"), None], "observed in mksh: x=abc; : ${x#?}; echo $KSH_MATCH; KSH_MATCH=1";
    /// `${x@/pattern/word}` replaces every match, and expands pattern and word for each.
    replacement_can_be_anew: bool = [N, N, N, N, N, Y, N], "observed in mksh: x=aa; i=0; echo ${x@/a/$((++i))}";
    /// An assignment to an element without an index assigns nothing.
    empty_index_assigns_nothing: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a[]=3; echo $? ${a[@]}";
    /// Such an element is no name for `typeset`, `read` and their kin, and no variable for arithmetic: it is 0 and keeps nothing.
    empty_index_is_no_name: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: typeset a[]=3; echo $?; read a[] <<< x; echo $?";
    /// `x++` of a value that is no number makes x 1, though it is a mistake.
    steps_of_mistakes_count: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: y='a b'; ((y++)); echo $? $y";
    /// A power with an exponent below 0 is a mistake in an operand that decides nothing, too.
    skipped_powers_count: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: echo $((0 && 2**-1)); echo $((1 ? 5 : 2**-1))";
    /// A default that is assigned keeps an argument beside a `$@` without parameters, though it is empty.
    assigned_default_counts: bool = [N, Y, N, N, N, Y, N], "observed in all six: set --; printf '[%s]' \"$@${k=}\"; printf '[%s]' \"$@${k=}\"";
    /// What an operation has made of `$*` comes apart between quotes that hold a `$@` too.
    stars_part_beside_at: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: set -- 'p q' '' r; printf '[%s]' \"${*#z}$@\" \"${*#}$@\"; IFS=:; printf '[%s]' \"${*^}$@\"";
    /// The status of a pattern of `[[ ]]` that cannot be read.
    condition_pattern_status: Status = [1, 1, 1, 1, 1, 1, 2], "observed in zsh: ([[ a = [b ]]); echo $?";
    /// What stands between the elements of a quoted list in the word of `${x/p/word}`.
    replacement_lists: ReplacementLists = [ReplacementLists::Plain, ReplacementLists::Marked, ReplacementLists::Plain, ReplacementLists::Plain, ReplacementLists::Escaped, ReplacementLists::Plain, ReplacementLists::Plain], "observed in all but dash: x=b; set -- p '' q; echo \"${x/b/\"$@\"}\"";
    /// An element whose index has quotes makes a field, empty or not.
    quoted_indexes_keep_fields: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: a=(''); set -- ${a['0']}; echo $#";
    /// An unquoted operation keeps an empty field if a quoted list with elements stands in its word.
    quoted_lists_keep_fields: bool = [N, N, N, N, Y, N, N], "observed in all six: x=a; set -- a; printf '[%s]' ${x#\"$@\"} ${x%\"$1\"}; set -- ''; printf '[%s]' ${y=\"$@\"}";
    /// White space at the end of an expansion and a separator that is written behind it in the word of an operation count as one.
    blank_joins_literal: bool = [N, N, N, N, N, Y, N], "observed in all six: IFS=' :'; x='a '; y=:b; printf '[%s]' ${u-$x:b} $x$y";
    /// In pathname expansion brackets match bytes, though they match characters elsewhere.
    file_brackets_match_bytes: bool = [N, N, N, N, N, Y, N], "observed in all six: echo >é; echo [!a] [!a][!a]; case é in [!a]) echo one;; esac";
    /// A variable that holds text holds no real if the value has no fraction: 1e2 and 2.0 are whole numbers.
    whole_values_are_no_reals: bool = [N, N, N, N, Y, N, N], "observed in ksh93: x=1e2; echo $((x/3)) $((x<<1)); x=2.0; echo $((x/4)); typeset -F y=2; echo $((y/4))";
    /// The braces of `[index]=` and its value in a list make words before the shell looks for the index, which the words have no more.
    braces_of_elements_come_first: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: a=([1]={x,y} [5]=z); echo ${!a[@]} ${a[@]}; a=([1]=~{a,b}); echo ${a[@]}";
    /// What stands behind `[index]=` in a list is a word, in which no tilde counts behind a colon.
    elements_are_no_assignments: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93 and zsh: a=([1]=~:~ [2]=a:~); echo $a";
    /// To read an element behind the operand right of it makes the shell forget that a variable there holds no number.
    elements_forget_mistakes: bool = [N, N, N, N, N, N, Y], "observed in zsh: a=(3); w=1+; echo $((a[1] + w)); echo $((a[1] + 1/0))";
    /// A group right behind a star cannot match the nothing at the end of a text.
    star_groups_need_text: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and mksh: case abx in *@(c|)) echo yes;; esac; case d in *!(d)) echo yes;; esac";
    /// The pattern of a replacement is measured before it is looked for; it may match nothing between characters.
    replacements_measure_patterns: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: shopt -s extglob; x=abc; echo ${x//*(b)/-} ${x/[!]a]/-}";
    /// What a list in a pattern of `case` becomes.
    case_patterns: CasePatterns = [CasePatterns::Joined, CasePatterns::FirstField, CasePatterns::Joined, CasePatterns::Joined, CasePatterns::Joined, CasePatterns::UpToNul, CasePatterns::Joined], "observed in all six: set -- a b; case a in \"$@\") echo first;; esac; IFS=:; case a:b in $@) echo joined;; esac";
    /// The status of a pattern of `case` that cannot be read.
    case_pattern_status: Status = [1, 1, 1, 1, 1, 1, 0], "observed in zsh: (case a in [b) ;; esac); echo $?";
    /// The status of a declaration utility that is given what is no number; otherwise that of the expression.
    declared_number_status: Option<Status> = [None, None, None, None, None, None, Some(0)], "observed in all six: (typeset -i x=1+); echo $?";
    /// The index of an element is expanded when an expression takes it, though it comes from a value.
    arithmetic_indexes_expand: bool = [N, Y, N, N, N, Y, Y], "observed in bash, ksh93, mksh and zsh: a=(1 2 3); i=1; x='a[$i]'; echo $((x)); k='$i'; echo $((a[$k]))";
    /// The index of an element that an expression assigns to is computed before the value.
    arithmetic_index_before_value: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a=(0 1 2); i=0; ((a[i++]=i)); echo ${a[@]}";
    /// Variables in the index of an element must be set, in an expression.
    arithmetic_index_names_must_be_set: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); echo $((a[k]))";
    /// A variable that holds a number of more than 64 bits is a mistake in an expression.
    large_values_are_refused: bool = [N, N, Y, N, N, N, N], "observed in all six: n=9223372036854775808; echo $((n))";
    /// The index of an element of a list must leave something.
    listed_indexes_must_be_something: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: i=; a=([$i]=3 [1]=4); echo ${a[@]}";
    /// An index that expands to nothing is a mistake.
    empty_index_is_mistake: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=(1 2); i=; echo ${a[$i]}";
    /// An index of a whole number or a real in an expression takes no characters of it, but the number.
    numbers_have_no_characters: bool = [N, N, N, N, N, N, Y], "observed in zsh: integer q=55; echo $((q[2])) $q[2]";
    /// An opening bracket that nothing closes keeps a field from being a pattern.
    open_bracket_spoils: bool = [N, N, N, N, Y, N, N], "observed in all six: echo [* beside a file [q]";
    /// The quoted characters that mean something in a bracket expression all the same.
    counts_quoted: CountsQuoted = [CountsQuoted::NOTHING, CountsQuoted::NOTHING, CountsQuoted::NOTHING, CountsQuoted { of_values: "^", written: "^" }, CountsQuoted { of_values: "-^", written: "" }, CountsQuoted::NOTHING, CountsQuoted::NOTHING], "observed in all six: d=a-c; case b in [\"$d\"]) echo yes; esac; case b in ['^'a]) echo yes; esac";
    /// Groups such as `@(a|b)` count in a pathname pattern that comes from a value.
    groups_in_values: bool = [N, Y, N, N, N, N, N], "observed in all six: x='@(lid|Lid)'; echo $x";
    /// In brackets of a pattern characters of several bytes count.
    wide_brackets: bool = [Y, Y, N, N, Y, N, Y], "observed in all six: case ä in [ä]) echo yes; esac";
    /// Bytes that get a backslash at the start of a parameter in `\"$*\"`, behind the first one, where IFS
    /// is empty and pathnames are matched; an empty parameter there has one too.
    unjoined_star_escapes: &'static str = ["", "", "", "", "[]*?()|&}", "", ""], "observed in ksh93, with each byte of ASCII: set -- a '[q]' '*'; IFS=; printf '<%s>' \"$*\" x\"$*\" \"${*%z}\"; x=\"$*\"";
    /// What joins unquoted `$@` counts as white space at the start of a word.
    list_joiner_is_soft: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=:; set -- '' a; echo $@";
    /// White space of IFS at the start of an expansion belongs to no separator behind it.
    leading_blank_stands_alone: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=' :'; x=' :a'; printf '[%s]' x$x";
    /// A list that is joined with an empty IFS and is empty then counts as empty.
    joined_empty_is_none: JoinedEmpty = [JoinedEmpty::Never, JoinedEmpty::StarUnlessFields, JoinedEmpty::UnlessFieldsStand, JoinedEmpty::UnlessFieldsStand, JoinedEmpty::Never, JoinedEmpty::Star, JoinedEmpty::Never], "observed in all six: IFS=; set -- '' ''; echo \"${*:-x}\" ${*:+y} \"${@:+z}\"";
    /// `${#x[index]}` of a variable that is not set never looks at the index.
    unset_lengths_are_idle: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: echo ${#w[i++]} $i";
    /// `a[@]` behind a utility that assigns is a mistake that costs the command only.
    whole_index_is_mistake: bool = [N, Y, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: read 'a[@]' <<< x; echo $?";
    /// `${x[index]=word}` reads the index once.
    assigned_index_is_read_once: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: echo ${w[i++]=x} $i";
    /// `-v` finds no element with an empty index.
    nothing_is_no_index: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(1); [[ -v a[] ]]; echo $?; i=; test -v a[$i]; echo $?";
    /// What quotes in the index of an indexed array do.
    index_quotes: IndexQuotes = [IndexQuotes::Count, IndexQuotes::VanishInLists, IndexQuotes::Count, IndexQuotes::Count, IndexQuotes::Vanish, IndexQuotes::Count, IndexQuotes::VanishInListedNumbers], "observed in bash, ksh93, mksh and zsh: a=(['1']=x); a['2']=y; echo ${!a[@]}";
    /// Quotes that vanish in an index that is text already.
    index_text_quotes: &'static str = ["", "\"", "", "", "\"\\", "", ""], "observed in bash, ksh93, mksh and zsh: a=(1 2 3); let 'x=a[\"1\"]'; unset \"a['2']\" 'a[\\0]'; echo $x ${a[@]}";
    /// Single quotes vanish in the index of an element in arithmetic, where they are written there themselves.
    arithmetic_indexes_drop_quotes: bool = [N, N, N, N, Y, N, N], "observed in bash, ksh93, mksh and zsh: a=(1 2 3); ((a['2']++)); x=\"a['2']\"; echo ${a[@]} $((a['2'])) $((x))";
    /// How `$'...'` is written around a value that is told.
    dollar_quoting: DollarQuoting = [DollarQuoting::Octal, DollarQuoting::Octal, DollarQuoting::Octal, DollarQuoting::Octal, DollarQuoting::Hexadecimal, DollarQuoting::OctalAndShort, DollarQuoting::Carets], "observed in bash, ksh93, mksh and zsh: typeset -p x of every character and every byte";
    /// How `${x@Q}`, `alias` and, in some shells, `printf %q` quote.
    requoting: Requoting = [Requoting::Always, Requoting::Always, Requoting::DoubleQuotes, Requoting::DoubleQuotes, Requoting::DollarQuotes, Requoting::Pieces, Requoting::Pieces], "observed in all six: alias x=a y=\"it's\"; alias x y; in bash and mksh: echo ${x@Q}";
    /// Punctuation that needs no quotes where they are put only if needed; `=` needs them at the start.
    requoting_leaves: &'static str = ["", "", "", "", "_./,:=@%+-^!", "_./,:@%+-^!", "_./,:@%+-!"], "observed in ksh93, mksh, zsh: alias x=... with each byte of ASCII, behind and before a letter";
    /// What a brace expansion sees in fields: what the author wrote, or values too.
    braces_in_values: bool = [N, N, N, N, Y, Y, N], "observed in all six: x={a,b}; echo $x";
    /// The elements of the array `commands` are the paths of programs.
    programs_are_elements: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo ${commands[ls]} $+commands[ls]";
    /// `=name` at the start of a word is the path of a program.
    equals_names_programs: bool = [N, N, N, N, N, N, Y], "observed in all six: echo =ls; in zsh also with setopt noequals";
    /// Brackets mind the size of letters also where patterns do not.
    sets_mind_case: bool = [N, N, N, N, N, N, Y], "observed in zsh: setopt extendedglob; [[ F == (#i)[f] ]]; in bash: shopt -s nocasematch; [[ F == [f] ]]";
    /// The option that lets the size of letters not count is for regular expressions alone.
    case_option_is_for_regular: bool = [N, N, N, N, N, N, Y], "observed in zsh: setopt nocasematch; [[ A == a ]]; [[ A =~ a ]]; in bash: shopt -s nocasematch";
    /// Numbers in the names of files are sorted by their values.
    files_sort_by_number: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt numericglobsort; >f9; >f10; echo f*";
    /// Folders that a pattern matches end in a slash; also under `set -o markdirs`.
    files_are_marked: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt markdirs; mkdir d; echo *; in ksh93 and mksh: set -o markdirs; echo *";
    /// Folders are marked so also behind a slash that the pattern ends in.
    marks_stand_behind_slashes: bool = [N, N, N, N, N, N, Y], "observed in ksh93, mksh and zsh: setopt markdirs or set -o markdirs; mkdir d; echo d*/";
    /// Letters in parentheses behind a pattern say which of the files are meant.
    glob_qualifiers: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo *(N); setopt nobareglobqual; echo *(N)";
    /// The value of an assignment is expanded to pathnames, of which several make an array.
    assigned_patterns_match: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt globassign; x=f*; echo $#x";
    /// The name of an array alone means all its elements, not the first one.
    names_mean_lists: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a; in zsh also with setopt ksharrays";
    /// Index 0 and index 1 both mean the first element.
    zero_is_first_too: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt kshzerosubscript; a=(x y); echo $a[0] $a[1]";
    /// Index 0 means the first element of a list whose elements count from 1.
    zero_is_first: bool = [N, N, N, N, N, N, N], "observed in zsh: setopt ksharrays; a=(x y); echo ${a[0]} ${a[1]}";
    /// The values of a list that is split are joined by the first character of IFS before, so that empty ones stay.
    lists_are_joined_to_split: bool = [N, N, N, N, N, N, Y], "observed in zsh: setopt shwordsplit; IFS=:; set -- '' a:b ''; for i in $* $@; do echo \"<$i>\"; done";
    /// Arrays are lists without gaps, whose stretches are values.
    array_is_list: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a";
    /// A tilde with a user who does not exist, and `=name` of a program that does not, are errors.
    unknown_user_is_error: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ~nosuch; echo =nosuch";
    /// An opening brace that nothing closes keeps a whole field as it is.
    open_brace_spoils: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo {{a,b}";
    /// A tilde is expanded in the finished field, whatever made it.
    tilde_in_fields: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ''~ {~,a} =nosuch";
    /// Parentheses are groups of a pattern without a sign before them.
    bare_groups: bool = [N, N, N, N, N, N, Y], "observed in all six: echo (l|L)id";
    /// `**/` matches any number of folders without being switched on.
    double_star: bool = [N, N, N, N, N, N, Y], "observed in all six: echo **/*.txt";
    /// The same under `set -G`, where `**` at the end of a pattern matches files too, at any depth.
    switched_double_star: bool = [N, N, N, N, Y, N, N], "observed in ksh93: set -G; echo ** **/ **/*.txt";
    /// A bracket in a pattern that nothing closes is an error.
    open_bracket_is_error: bool = [N, N, N, N, N, N, Y], "observed in all six: echo [a-";
    /// What quoted `$*` gives to an operation: its parameters, or what they joined make.
    star_joins_first: bool = [N, N, N, N, N, N, Y], "observed in all six: echo \"${*%y}\"";
    /// A negative length of a slice of a list is an error.
    negative_list_length_is_error: bool = [Y, Y, N, N, N, N, N], "observed in all six: echo ${@:1:-1}";
    /// `${x:=word}` gives what x keeps of the word.
    default_gives_stored: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -i a; echo ${a:=4+3}";
    /// `${x[@]:1:2}` of a text is a part of the text.
    lists_of_texts_are_cut: bool = [N, Y, N, N, N, N, Y], "observed in all six: f=abcd; echo ${f[@]:0:1}";
    /// A tilde is expanded at the start of the pattern of `${x##p}` and `${x%%p}`.
    tilde_in_longest: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: x='~a'; echo ${x##~}";
    /// A tilde at the start of the pattern of `${x/~/r}` is expanded before the shell looks for the slash behind the
    /// pattern, which it finds in the folder: the pattern is nothing, the folder a part of the replacement.
    folder_of_tilde_is_read_again: bool = [N, N, N, N, Y, N, N], "observed in all six: HOME=/h; for x in '' '~' /h; do echo \"${x/~/r}\" \"${x//~/r}\"; done";
    /// A tilde is expanded at the start of the pattern of `${x/p/r}`.
    tilde_in_replaced: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: x=~; echo ${x/~/T}";
    /// An empty pattern matches before each character in `${x//p/r}`, and at the start in `${x/p/r}`.
    empty_pattern_matches: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo ${x////-} ${x/\"\"/r}";
    /// Where a pattern that matches an empty text too, such as `?(b)`, does so in `${x/p/r}`.
    empty_matches: EmptyMatches = [EmptyMatches::Skipped, EmptyMatches::Skipped, EmptyMatches::Skipped, EmptyMatches::Skipped, EmptyMatches::Everywhere, EmptyMatches::AtStart, EmptyMatches::Skipped], "observed in bash, ksh93, mksh and zsh: x=abc; echo ${x//?(b)/X} ${x/?(b)/X}";
    /// An empty pattern of `${x/p/r}` matches an empty value.
    empty_pattern_matches_empty: bool = [N, N, N, N, Y, N, Y], "observed in all six: x=; echo ${x/\"\"/r} ${x//\"\"/r}";
    /// A slash inside an expansion ends the pattern of `${x/p/r}`, which is then no expansion.
    slash_cuts_expansions: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ${x/${y/a/b}/r} ${x/$(echo /)/r}; echo after";
    /// Each parameter of an unquoted `$@` is split for itself.
    parameters_split_apart: bool = [N, N, N, N, Y, N, Y], "observed in all six: IFS=:; set -- a : b; echo $@";
    /// A tilde at the start of any field is expanded, where splitting began that.
    tilde_in_later_fields: bool = [N, N, N, N, N, Y, N], "observed in mksh: x='a '; echo $x~";
    /// Quotes before an unquoted `${x-word}` keep an argument behind a separator at the end of that word.
    quotes_keep_later_words: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '[%s]' 'a'${x- }";
    /// An empty `$''` keeps a word only if no expansion outside quotes stands behind it.
    empty_ansi_c_gives_way: bool = [N, N, N, N, N, N, Y], "observed in bash, busybox sh, ksh93, mksh and zsh: e=; set -- $''$e; echo $#; set -- $e$''; echo $#";
    /// Empty quotes at the end of the word of an unquoted `${x:-...}` keep no argument.
    word_end_drops_empty_quotes: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- ${x:-\"\"}; echo $#; set -- ${x-a '' b ''}; echo $#";
    /// `${x-...}` and its kin make empty quotes before them count for nothing.
    operations_drop_empty_quotes: bool = [N, N, N, N, N, Y, N], "observed in mksh: printf '[%s]' ''${x-}";
    /// A separator at the end of an expansion makes an empty field behind it.
    last_separator_makes_field: bool = [N, N, N, N, N, N, Y], "observed in zsh: IFS=:; x=a:; printf '[%s]' $=x";
    /// `${x?}` ends the shell as `exit` does: the action for EXIT is carried out.
    unset_message_exits: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo bye' EXIT; : ${x?}; and eval ': ${x?}'; echo after";
    /// A backslash at the end of a pattern matches a backslash.
    last_backslash_matches: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: y='\\'; case '\\' in $y) echo yes; esac";
    /// A removal from the elements of an array under an empty IFS leaves the shell's own marks.
    array_removals_leave_marks: bool = [N, Y, N, N, N, N, N], "observed in bash: IFS=; a=('b c'); printf '%s' ${a[@]#x}";
    /// An unquoted `$*` in `name=value` behind a declaration utility is joined with spaces when IFS is empty.
    declared_star_has_spaces: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=; set -- a b; export v=$* w=${*#a}; echo $v";
    /// `${@?}` and `${@=x}` are mistakes, whatever there is.
    lists_demand_nothing: bool = [N, N, N, N, N, Y, N], "observed in all six: set -- a; echo ${@?} ${*=x} ${a[@]?}";
    /// What a part is taken of under `set -u`, although it is not set.
    sliced_unset: SlicedUnset = [SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Parameters, SlicedUnset::All, SlicedUnset::Nothing], "observed in all six: set -u; echo ${1:0} ${a:1} ${a/x/y}";
    /// `${#a[5]}` is 0 under `set -u` where other elements are set.
    missing_element_has_length: bool = [N, Y, N, N, Y, N, N], "observed in all six: set -u; a=(1); echo ${#a[5]}";
    /// An index of one value in an expression takes characters of it.
    arithmetic_indexes_take_characters: bool = [N, N, N, N, N, N, Y], "observed in zsh: y=123; echo $((y[2])) $((y[2,3])) $((y[-1]))";
    /// A variable that is not set ends the shell under `set -u` in `((`, `let` and `[[` too.
    unset_goes_through: bool = [N, Y, N, N, N, N, N], "observed in all six: set -u; ((q)); let q; [[ q -eq 0 ]]; echo after";
    /// In an assignment most lists are joined with IFS although `$@` itself is not.
    assigned_lists_use_ifs: bool = [N, Y, N, N, N, N, N], "observed in bash: IFS=:; set -- a ''; x=\"${@:1}\"; y=\"$@\"; z=${@#b}";
    /// A backslash in a value escapes only what is special in patterns.
    value_backslash_needs_special: bool = [N, N, N, N, N, N, Y], "observed in zsh: x='l\\i*'; case lid in ${~x}) echo yes; esac";
    /// A brace behind a backslash opens a pair all the same if another opens one behind it or the word has a pattern.
    escaped_opener_counts: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo \\{a,b}{c,d}; y='\\\\'; echo \\{a,b}$y";
    /// A separator at the start of what a command prints makes no empty field.
    output_begins_behind_separator: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=:; printf '[%s]' $(echo :a)";
    } };
}
pub(in crate::dialect) use expanding_rows;
