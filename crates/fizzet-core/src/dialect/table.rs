//! The table: one row a rule, one column a shell.
//!
//! The columns are posix, bash, dash, busybox, ksh93, mksh, zsh. A row's doc comment is the sentence
//! that people are shown; the string behind it is the evidence.

use crate::dialect::choices::*;
use crate::dialect::words::{TYPE_WORDS, TypeWords};
use crate::dialect::{DollarEscapes, Nul, Shell, escapes};
use crate::hexadecimal::HexDigits;
use crate::stop::{Reach, Status};

/// One rule in which shells differ.
#[derive(Clone, Copy, Debug)]
pub struct Row {
    /// Its name.
    pub name: &'static str,
    /// What it says.
    pub sentence: &'static str,
    /// How it is known.
    pub evidence: &'static str,
    /// The value in each column.
    pub values: [&'static str; 7],
}

macro_rules! dialect_table {
    ($( $(#[doc = $doc:literal])+ $name:ident: $type:ty = [$($value:expr),+], $evidence:literal; )+) => {
        /// The rules of one shell.
        #[derive(Clone, PartialEq, Debug)]
        pub struct Dialect {
            /// Whose rules they are.
            pub shell: Shell,
            $( $(#[doc = $doc])+ pub $name: $type, )+
        }

        /// The rows of the table, in the order in which they are written.
        pub static ROWS: &[Row] = &[
            $( Row {
                name: stringify!($name),
                sentence: concat!($($doc),+),
                evidence: $evidence,
                values: [$(stringify!($value)),+],
            }, )+
        ];

        impl Dialect {
            /// The column of a shell.
            pub fn of(shell: Shell) -> Dialect {
                let column = shell as usize;
                Dialect { shell, $( $name: { let values: [$type; 7] = [$($value),+]; values[column] }, )+ }
            }

            /// Takes over one row from another dialect; answers whether that changed anything.
            pub fn adopt(&mut self, row: usize, other: &Dialect) -> bool {
                let mut at = 0;
                $(
                    if at == row {
                        let changed = self.$name != other.$name;
                        self.$name = other.$name;
                        return changed;
                    }
                    at += 1;
                )+
                let _ = at;
                false
            }
        }
    };
}

const Y: bool = true;
const N: bool = false;

const RESERVED: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "if", "in", "then",
    "until", "while",
];
const RESERVED_BUSYBOX: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "function", "if",
    "in", "then", "until", "while",
];
const RESERVED_KSH: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "function", "if",
    "in", "select", "then", "time", "until", "while", "[[",
];
const RESERVED_MKSH: &[&str] = RESERVED_KSH;
const RESERVED_BASH: &[&str] = &[
    "!", "{", "}", "case", "coproc", "do", "done", "elif", "else", "esac", "fi", "for", "function",
    "if", "in", "select", "then", "time", "until", "while", "[[", "]]",
];
const RESERVED_ZSH: &[&str] = &[
    "!",
    "{",
    "}",
    "case",
    "coproc",
    "do",
    "done",
    "elif",
    "else",
    "end",
    "esac",
    "fi",
    "for",
    "foreach",
    "function",
    "if",
    "nocorrect",
    "repeat",
    "select",
    "then",
    "time",
    "until",
    "while",
    "[[",
];
/// The same without those that may stand behind an assignment.
const MISPLACED_ZSH: &[&str] = &[
    "!", "{", "case", "coproc", "do", "done", "elif", "else", "end", "esac", "fi", "for",
    "foreach", "function", "if", "repeat", "select", "then", "time", "until", "while", "[[",
];

dialect_table! {
    /// A pattern that matches no pathname stays as it is; otherwise it is an error.
    keeps_unmatched: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: echo nosuch*";
    /// What a pattern that matches nothing ends where it is an error.
    unmatched_ends: Reach = [Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Line, Reach::Command], "observed: shopt -s failglob or zsh: label nosuch*; label after";
    /// GLOBIGNORE lists patterns of pathnames that no pattern matches.
    glob_ignore: bool = [N, Y, N, N, N, N, N], "observed: GLOBIGNORE='l*'; echo *id";
    /// Aliases are replaced in scripts without being switched on.
    aliases: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: alias l=label, newline, l a";
    /// What `local` does outside a function.
    local_outside: Outside = [Outside::Fatal, Outside::Fails, Outside::Fatal, Outside::Fatal, Outside::Fatal, Outside::Allowed, Outside::Allowed], "observed in all six: local x=1; echo after $x";
    /// The option letters of `export`, `typeset` and their kin; a colon where one takes a value, a dot where it takes an attached number.
    declaration_letters: &'static str = ["p", "aAcfFgIilnprtux", "p", "np", "aAbCE.F.fgH.hi.L.lM:mnpR.rS.tT:uxZ.X.", "afgi.L.lnpR.rtUuxZ.", "aAfE.F.gHhi.klL.mpR.rtTUuxZ."], "observed with each letter";
    /// `local -` makes the options of `set` local.
    local_options: bool = [N, Y, Y, Y, N, N, N], "observed: f() { local -; set -f; }; f; echo *";
    /// `local` refuses a name that may not change outside.
    local_refuses_read_only: bool = [N, N, N, Y, N, N, N], "observed in all six: readonly r; f() { local r; echo in; }; f";
    /// `test -v 'a[@]'` asks whether any element is set.
    tests_whole_arrays: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93 and zsh: a=(1); [[ -v a[@] ]]; echo $?";
    /// Which parentheses the pattern of an operation may hold without quotes.
    operation_parentheses: OperationParentheses = [OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Any, OperationParentheses::Groups, OperationParentheses::Pairs, OperationParentheses::Any], "observed in all six: echo ${x#(} ${x#)} ${x#(a)} ${x/(/} ${x/)/} ${x#*(}";
    /// The pattern of `${x#p}` and `${x%p}` is a group: bars separate alternatives, parentheses need no sign.
    removal_is_group: bool = [N, N, N, N, N, Y, N], "observed in all six: x=ab; echo ${x#b|a} ${x#(a|b)}";
    /// A parenthesis that nothing closes in a pattern of `case` or `${x#p}` is an error.
    open_group_is_error: bool = [N, N, N, N, N, N, Y], "observed in zsh: x=a; echo ${x#(}";
    /// FUNCNEST bounds how deep functions call each other.
    function_nesting: Nesting = [Nesting::Unbounded, Nesting::IfPositive, Nesting::Unbounded, Nesting::Unbounded, Nesting::Unbounded, Nesting::Unbounded, Nesting::From(500)], "observed in all six: FUNCNEST=5; f() { f; }; f; echo after";
    /// A declaration utility goes on behind a word that is no name or may not change.
    bad_names_are_passed_over: bool = [N, Y, N, N, N, N, N], "observed in all six: export 1x b=2; echo $b";
    /// `export` and `readonly` take elements of arrays.
    elements_are_exported: bool = [N, N, N, N, Y, Y, Y], "observed in all six: export a[1]=x; echo $?";
    /// A word of `export` or `readonly` that is no name, or may not change, ends the shell.
    bad_name_is_fatal: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: export 1x=2; echo after";
    /// `typeset -n` makes a variable the name of another.
    references: References = [References::None, References::Loose, References::None, References::None, References::Fatal, References::Given, References::None], "observed in all six: typeset -n r=x; r=1; echo $x; typeset -n r=1x";
    /// How lines are counted for LINENO.
    line_numbers: LineNumbers = [LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_exit: EvalLines::Own, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::On, in_actions: EvalLines::On, at_exit: EvalLines::Own, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_exit: EvalLines::Own, functions_count_anew: N }, LineNumbers { first_of_text: Some(0), in_eval: EvalLines::On, in_actions: EvalLines::Same, at_exit: EvalLines::Same, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::On, at_exit: EvalLines::Own, functions_count_anew: N }, LineNumbers { first_of_text: None, in_eval: EvalLines::Same, in_actions: EvalLines::Same, at_exit: EvalLines::Same, functions_count_anew: N }, LineNumbers { first_of_text: Some(1), in_eval: EvalLines::Own, in_actions: EvalLines::Same, at_exit: EvalLines::SameIfAsked, functions_count_anew: Y }], "observed in all six: echo $LINENO in a file, in -c, in functions, in eval, in the actions of trap";
    /// The line of a command is that on which its second word ends.
    line_of_second_word: bool = [N, Y, N, N, N, N, N], "observed in all six: a command with a newline in its quoted second word, echo $LINENO behind it";
    /// A file that `.` reads is among the functions that are being called, as `source`.
    files_are_calls: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: echo 'echo ${FUNCNAME[@]}' >f; . ./f";
    /// The list of the functions that are being called ends in `main` in a script.
    names_main: bool = [N, Y, N, N, N, N, N], "observed: f() { echo ${FUNCNAME[@]}; }; f in a file and in -c";
    /// The statuses of the latest pipeline at the start.
    first_statuses: &'static [Status] = [&[], &[], &[], &[], &[], &[0], &[0]], "observed: echo ${PIPESTATUS[@]}, $pipestatus";
    /// Commands that are alone in a pipeline and change its list of statuses.
    lone_statuses: LoneStatuses = [LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::Simple, LoneStatuses::ButFunctions, LoneStatuses::ButTests], "observed in bash, mksh and zsh: false | true in groups, functions, subshells; [[ a = b ]]; ((0))";
    /// `unset -n` takes away a variable that is the name of another one.
    unset_names: bool = [N, Y, N, N, Y, N, N], "observed in all six: typeset -n r=x; unset -n r; echo after";
    /// `typeset -u` and its kin also change the value that the variable has already.
    attributes_change_values: bool = [N, N, N, N, Y, Y, Y], "observed in all six: x=abc; typeset -u x; echo $x";
    /// An option that `unset` does not know ends the shell.
    unset_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: unset -q x; echo after";
    /// The status of `unset` with an option that it does not know.
    unset_option_status: Status = [1, 2, 2, 2, 1, 1, 1], "observed in all six: unset -q x; echo $?";
    /// A test of `[[` takes whatever word stands behind it, an operator too.
    tests_take_any_operand: bool = [N, Y, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh with each letter: [[ -f = -f ]]; [[ -f ]]; [[ -q = -q ]]";
    /// `unset` expands the index of an associative array a second time only where the name is quoted.
    unset_expands_once: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -A d; k='$x'; d[$k]=1; unset d[$k]; unset 'd[$k]'";
    /// `unset` of a word that is no name ends the shell.
    unset_bad_name_is_fatal: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: unset 1x; echo after";
    /// `unset` without an option passes over words that are no names.
    unset_passes_bad_names: bool = [N, Y, N, N, N, N, N], "observed in all six: unset 1x; echo $?; unset -v 1x; echo $?";
    /// `unset f` takes a function away where no variable has the name.
    unset_finds_functions: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { :; }; unset f; f";
    /// A local variable without a value is empty rather than unset.
    local_is_empty: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { local x; echo ${x-unset}; }; f";
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
    /// The option letters of `read`.
    read_letters: &'static str = ["r", "a:d:ei:n:N:p:rst:u:", "p:r", "d:n:p:rst:u:", "aACSd:n:N:prst:u:v", "Aad:N:n:prst:u:", "Aceiklnpqrsu:t.d:E"], "observed in all six with each letter";
    /// A word of `read` that is no name ends the shell.
    read_bad_name_is_fatal: bool = [N, N, N, N, N, N, Y], "observed in all six: read 1x; echo after";
    /// The status of `read` for a word that is no name.
    read_bad_name_status: Status = [1, 1, 2, 2, 1, 2, 1], "observed in all six: read 1x </dev/null; echo $?";
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
    /// The index of the first element of an array.
    first_index: i64 = [0, 0, 0, 0, 0, 0, 1], "observed: a=(x y); echo ${a[1]}";
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
    /// Option letters of `set` besides those that change words.
    set_letters: &'static str = ["bCmhvx", "EHPTCbhkmptvx", "CEIVbmpvxis", "CEIbmvx", "CHbhkmptvxsG", "CUbhkmpvxsX", "BCEHIPTUVhkpvxslywgXYGm"], "observed in all six with each letter";
    /// `set -A name values` fills an array.
    set_fills_arrays: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -A x a b; echo ${x[1]}";
    /// There is `set -o pipefail`.
    pipe_fail: bool = [Y, Y, N, Y, Y, Y, Y], "observed in all six: set -o pipefail; echo $?";
    /// The status of a command whose input file does not exist.
    redirection_failure_status: Status = [1, 1, 2, 1, 1, 1, 1], "observed in all six: true <nosuch; echo $?";
    /// What joins `$*` in a here-document.
    document_joiner: DocumentJoiner = [DocumentJoiner::Ifs, DocumentJoiner::SpaceForParameters, DocumentJoiner::Ifs, DocumentJoiner::Ifs, DocumentJoiner::Space, DocumentJoiner::IfsOrSpace, DocumentJoiner::Ifs], "observed in all six: IFS=:; set -- a b; read x <<E with $*; in bash also with ${a[*]}, ${*/x/y}";
    /// `${x/#p/r}` and `${x/%p/r}` replace at the start and at the end.
    replacement_anchors: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: x=abc; echo ${x/#a/-}";
    /// Quotes in the replacement of `\"${x/p/r}\"` quote, and are taken away.
    replacement_unquotes: bool = [N, Y, N, Y, Y, Y, N], "observed in all six: x=abc; echo \"${x/b/'q r'}\"";
    /// An unquoted `&` in a replacement stands for what was matched.
    replacement_ampersand: bool = [N, Y, N, N, N, N, N], "observed in all six: x=abc; echo ${x/b/&}";
    /// A backslash that an unquoted expansion brings into a replacement quotes a backslash behind it, and
    /// an `&` that would stand for the match.
    replacement_backslashes: bool = [N, Y, N, N, Y, N, N], "observed in all six: y='\\\\a'; x=bc; echo ${x/b/$y} ${x/b/\"$y\"}";
    /// `${x/#/r}` puts the replacement before the value.
    empty_anchor: bool = [N, Y, N, N, N, Y, Y], "observed in all six: x=abc; echo ${x/#/p}";
    /// `=~` leaves the match and its place in MATCH, MBEGIN and MEND, and those of the groups in arrays.
    match_has_places: bool = [N, N, N, N, N, N, Y], "observed in zsh: [[ abc =~ (b)c ]]; echo $MATCH $MBEGIN $MEND $match $mbegin $mend";
    /// A function named TRAP and a condition is the action for that condition.
    functions_are_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: TRAPUSR1() { echo $1; }; kill -USR1 $$";
    /// The array that `=~` fills with the match and its groups.
    match_array: &'static str = ["", "BASH_REMATCH", "", "", ".sh.match", "", ""], "observed: [[ abc =~ b ]]; echo ${BASH_REMATCH[0]}";
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
    format_escapes: &'static str = ["abfnrtv\\1", "abeEfnrtv\\1xuU?\"'", "abefnrtv\\1", "abcefnrtv\\1x", "abceEfnrtv\\1xuU?\"'*", "abcefnrtv\\1xuU\"", "abcefnrtv\\1xuU."], "observed in all six with each letter";
    /// Escapes that `%b` of `printf` decodes.
    argument_escapes: &'static str = ["abcfnrtv\\0", "abceEfnrtv\\01xuU", "abcefnrtv\\01", "abcefnrtv\\01x", "abcEfnrtv\\0", "abcefnrtv\\01xuU\"", "abcefnrtv\\0xuU."], "observed in all six with each letter";
    /// `%q` of `printf` quotes.
    printf_quotes: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: printf %q 'a b'";
    /// What an assignment of a read-only variable before a command ends; nothing where it is passed over.
    read_only_before_command: Option<Reach> = [Some(Reach::Shell), None, Some(Reach::Shell), Some(Reach::Shell), Some(Reach::Command), Some(Reach::Shell), Some(Reach::Shell)], "observed in all six: readonly x=1; x=2 label a; label after";
    /// `~0` stands for the first folder of the stack of `pushd`.
    tilde_numbers: bool = [N, Y, N, N, N, N, Y], "observed in all six: echo ~0";
    /// A tilde is expanded at the start of the pattern of `${x/#p/r}`.
    tilde_in_anchored: bool = [N, N, N, N, N, Y, Y], "observed in all six: x=~; echo ${x/#~/T}";
    /// `$@` and `$*` count as set even without parameters.
    at_is_always_set: bool = [N, N, Y, Y, N, N, N], "observed in all six: set --; echo ${@-a}";
    /// `$'...'` decodes escapes inside `\"${x-...}\"` too.
    dollar_quotes_in_quoted_brace: bool = [N, Y, N, N, N, Y, N], "observed in all six: echo \"${x-$'a\\tb'}\"";
    /// `${x:}` is a bad substitution.
    empty_offset_is_bad: bool = [N, Y, N, Y, N, Y, Y], "observed in all six: x=abc; echo ${x:}";
    /// `${x::1}`, where a length stands behind nothing, is a mistake.
    length_needs_offset: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo ${x::1}";
    /// `#` and `%` anchor a pattern behind two slashes too.
    anchors_behind_two_slashes: bool = [N, N, N, N, N, N, Y], "observed in all six: x=a%c; echo ${x//%c/r} ${x//#a/r}";
    /// Braces pair up in the pattern of a replacement between double quotes too.
    quoted_replaced_braces_nest: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: x='a{}b'; echo ${x/{}/r} \"${x/{}/r}\"";
    /// `${x::=word}` assigns whether there is a value or not.
    assigns_always: bool = [N, N, N, N, N, N, Y], "observed in all six: x=a; echo ${x::=b} $x";
    /// `set -y` is the option that splits parameters.
    letter_splits_words: bool = [N, N, N, N, N, N, Y], "observed in zsh: set -y; x='a b'; echo $x";
    /// `<1-9>` is a range of numbers in patterns, and no redirection.
    number_ranges: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo batch<1-9>.csv <1-9>(N); [[ 05 = <1-9> ]]";
    /// `${x:1:}`, where nothing stands for the length, is a mistake.
    length_is_needed: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo ${x:1:}";
    /// `${x/#p/r}` of what is not set stands for the text behind its first slash, the pattern expanded.
    anchored_unset_is_text: bool = [N, N, N, N, Y, N, N], "observed in all six: unset x; y=q; echo ${x/#$y/r} ${x/%a}";
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
    /// The status of `select` at the end of the input.
    select_end_status: Status = [1, 1, 1, 1, 1, 1, 0], "observed: select x in a; do :; done </dev/null; echo $?";
    /// `%(format)T` of `printf` shows a time.
    printf_times: bool = [N, Y, N, N, Y, N, N], "observed in all six: printf '%(%Y)T' 0";
    /// A mistake in an expansion or assignment ends only the line it is on.
    mistakes_end_line: bool = [N, Y, N, N, N, N, N], "observed in all six: two lines, label $((1/0)); label after, then label end";
    /// The status of a subshell that a mistake ends, where it differs from that of a shell.
    subshell_mistake_status: Option<Status> = [None, Some(1), None, None, None, None, None], "observed in all six: (label ${x?}); label $?";
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
    ifs_characters: bool = [Y, Y, N, N, Y, N, Y], "observed with LANG=C.UTF-8: IFS='ä'";
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
    /// Behind an unquoted opening brace an expansion in the same word is neither split nor a pattern.
    brace_stops_splitting: bool = [N, N, N, N, Y, N, N], "observed in all six: x='a b'; echo {$x,c}";
    /// In an unquoted `${x-...}` braces nest.
    braces_nest: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo ${z-{a}b}";
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
    /// Between double quotes `\\}` in the word of an operation is a brace.
    inner_quotes_escape_brace: bool = [N, N, Y, Y, Y, N, N], "observed in all six: y=; echo ${y+\"\\}\"}";
    /// Between double quotes, the quotes in the word of `${x-word}` are taken out before the word is read.
    inner_quotes_vanish: bool = [N, Y, N, N, N, N, N], "observed in all six: x=b; echo \"${v-$x\"a b\"}\" \"${v-'\"'}\"";
    /// `${#@}` counts the bytes of all parameters.
    lengths_of_lists_in_bytes: bool = [N, N, N, Y, N, N, N], "observed in busybox with UTF-8: set -- ä; echo ${#@} ${#1}";
    /// An assignment in arithmetic makes a new variable one of numbers.
    arithmetic_makes_numbers: bool = [N, N, N, N, N, N, Y], "observed in all six: ((v=1)); v=2+3; echo $v";
    /// What the word of a redirection may become.
    redirect_words: RedirectWords = [RedirectWords::Text, RedirectWords::OneField, RedirectWords::Text, RedirectWords::Text, RedirectWords::Text, RedirectWords::Text, RedirectWords::FileEach], "observed in all six: x='a b'; echo >$x; set -- a b; echo >\"$@\"; echo >l*; echo >{a,b}";
    /// A descriptor that is redirected more than once leads to all the files.
    redirections_add_up: bool = [N, N, N, N, N, N, Y], "observed in all six: echo x >a >b; cat <a <b; : >c >&1";
    /// In the word and the patterns of `case`, quotes that an expansion has emptied leave a byte 127 behind.
    emptied_quotes_leave_mark: bool = [N, Y, N, N, N, N, N], "observed in all six: y=b; case \"${y#b}\"a in ?a) echo yes;; esac; set -- '' b; case \"$@\" in ?' b') echo yes;; esac";
    /// Utilities for which a lone `-` ends the options.
    lone_dash_ends_options: &'static [&'static str] = [&[], &[], &[], &[], &["typeset", "alias"], &["export", "readonly", "typeset", "local", "alias"], &["export", "readonly", "typeset", "declare", "local", "integer", "float", "alias", "unalias", "unset", "read", "shift"]], "observed in all six: export - v=1; typeset - v=1; alias - a=b; read - x; shift -";
    /// While the word of an assignment, a `case`, a `[[ ]]`, a here-document or a quoted `${x-word}` is expanded, an unquoted `$*` in commands inside it is joined too.
    star_joins_in_commands: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=; set -- a b; x=$(echo $*); echo $x";
    /// What cannot be read in `$(...)` is found when it is carried out, and ends the shell there.
    parentheses_read_late: bool = [N, N, N, N, Y, N, N], "observed in all six: echo a; echo $(fi); if false; then echo $(for); fi";
    /// `!` cannot be the word of a `case`.
    case_refuses_bang: bool = [N, N, N, N, Y, N, N], "observed in all six: case ! in *) echo y;; esac";
    /// In a backquoted command what cannot be read is found when it is carried out, and has this status; nothing: it ends the shell there.
    backquotes_read_late: ReadLate = [ReadLate::No, ReadLate::Status(2), ReadLate::Rest, ReadLate::Rest, ReadLate::Fatal, ReadLate::Fatal, ReadLate::Fatal], "observed in all six: echo `(`; echo `echo a; fi`; if false; then echo `(`; fi; echo after";
    /// How `%a` of `printf` writes its digits, if there is one.
    printf_hexadecimal: Option<HexDigits> = [None, Some(HexDigits::Needed), Some(HexDigits::Needed), None, Some(HexDigits::Many), None, None], "observed in all six: printf '%a %.0a' 3.7 1.5";
    /// A colon before `#` and `%` in `${x#p}` changes nothing.
    colon_before_removal: bool = [N, N, N, N, Y, Y, N], "observed in all six: x=ab; echo ${x:#a} ${x:%%b*}";
    /// The word of an unquoted `${x-word}` with an unquoted `$@` in it is split and joined with spaces before the word around it is split.
    lists_in_words_are_rejoined: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=:; set -- a 'b c'; printf '[%s]' ${x-$@} ${x-q:$@}";
    /// In a here-document, `$(` in the operand of `${x#p}`, `${x/p/r}` or `${x:n}` is an error.
    document_operands_hold_no_commands: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: x=a; cat <<E with ${x/a/$(echo b)}";
    /// A brace that is the word of a `case`, and a closing one at the start of an argument in `$(`, are errors.
    lone_braces_are_refused: bool = [N, N, N, N, Y, N, N], "observed in all six: case { in *) echo y;; esac; echo $(echo a })";
    /// Whether `${@:-word}` uses its word is decided by the first parameter.
    first_parameter_decides: bool = [N, N, N, N, Y, N, N], "observed in all six: set -- '' a; echo ${@:-q}";
    /// A mistake in an assignment before a program ends no more than that command.
    programs_expand_assignments: bool = [N, N, N, N, Y, N, N], "observed in all six: x=${z?} ls; echo after";
    /// `read -n` passes over bytes 0, if `read` does.
    counted_read_drops_nul: bool = [N, Y, N, N, N, N, N], "observed in all six: printf 'a\\0b\\n' | { read -n 2 x; echo $x; }";
    /// `read` passes over bytes 0.
    read_drops_nul: bool = [N, Y, Y, Y, Y, N, N], "observed in all six: printf 'a\\0b\\n' | { read x; echo $x; }";
    /// What `((...))` answers counts for `set -e` and the action for ERR.
    arithmetic_commands_fail: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: set -e; ((0)); echo after";
    /// The conditions whose actions a subshell has too.
    subshell_keeps_actions: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], &["ERR", "ZERR", "DEBUG"]], "observed in all six: trap 'echo e' ERR; (false); trap 'echo d' DEBUG; (:)";
    /// Behind a `read` a newline separates fields until IFS is set again or a command is substituted.
    read_makes_newline_separate: bool = [N, N, N, N, Y, N, N], "observed in all six: IFS=:; read z <<<q; x='a, newline, b'; echo $x";
    /// Double quotes vanish from the expression of `((...))`.
    arithmetic_command_drops_quotes: bool = [N, N, N, N, N, Y, N], "observed in all six: ((x=3\"4\")); echo $x";
    /// A bracket that nothing closes in the pattern of `${x#p}` is a mistake if x is not set, and in a here-document; else it is text.
    open_bracket_ends_shell: bool = [N, N, N, N, Y, N, N], "observed in all six: echo ${x#[}; echo after";
    /// What `${x/p/r}` puts in is split apart from what it leaves.
    replacements_stay_apart: bool = [N, N, N, N, Y, N, N], "observed in all six: IFS=' :'; x='a b'; echo ${x/b/:c}";
    /// A colon ends a tilde-prefix outside assignments too.
    colon_ends_tilde: bool = [N, Y, N, N, Y, N, N], "observed in all six: echo ~:a";
    /// A backslash in an unquoted value escapes the next character of a pattern.
    value_backslash_escapes: bool = [Y, Y, Y, Y, N, N, Y], "observed: y='\\[q*'; echo $y beside a file [q]";
    /// `[.a.]` and `[=a=]` are known in bracket expressions.
    collating_elements: bool = [Y, Y, N, Y, Y, Y, N], "observed in all six: echo [[.a.]]*";
    /// Character classes such as `[:alpha:]` know letters beyond ASCII.
    wide_classes: bool = [Y, Y, N, N, Y, N, Y], "observed: echo [[:alpha:]]* beside a file named with a two-byte letter";
    /// Inside `\"${x-...}\"` single quotes keep a `}` from closing the expansion.
    single_quotes_hide_brace: bool = [N, Y, N, N, N, N, N], "observed: echo \"${z-'}'}\"";
    /// Double quotes inside `\"${x-...}\"` end the quoting.
    inner_quotes_unquote: bool = [N, N, N, N, Y, N, N], "observed: printf '[%s]' \"${z-\"a b\"}\"";
    /// In an assignment, unquoted or quoted `$@` is joined with spaces whatever IFS is.
    at_joins_with_space: bool = [N, Y, N, N, Y, Y, N], "observed: IFS=:; set -- a b; x=$@";
    /// `type` and `whence` tell declaration utilities as reserved words.
    declarations_are_keywords: bool = [N, N, N, N, N, N, Y], "observed in zsh: whence -w export typeset";
    /// Whether a word of `export` and its kin is an assignment is decided when the command name has been expanded.
    late_declarations: bool = [N, N, Y, Y, N, N, Y], "observed: c=export; x='a b'; $c y=$x";
    /// `$10` is parameter 10 rather than `$1` followed by `0`.
    unbraced_digits: bool = [N, N, N, N, N, N, Y], "observed in all six: set -- a; echo $10";
    /// The name and value of `name=value` arguments of `export` and its kin are read as assignments.
    declarations: bool = [Y, Y, Y, Y, Y, Y, Y], "observed: x='a b'; export y=$x";
    /// A tilde after `=` or `:` in an argument that looks like an assignment is expanded.
    tilde_in_arguments: bool = [N, Y, N, N, N, N, N], "observed: echo a=~ a=~:~";
    /// A tilde directly after the `=` of an argument is expanded.
    tilde_after_equals: bool = [N, N, N, N, N, Y, N], "observed: echo a=~";
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
    /// The names of the files that stand for process substitutions: the folder, the number of the first,
    /// and how far it is to the next.
    process_files: (&'static str, u32, i32) = [("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 63, -1), ("/dev/fd/", 3, 1), ("/dev/fd/", 63, -1), ("/proc/self/fd/", 12, 1)], "observed in bash, ksh93 and zsh: echo <(:) <(:)";
    /// Variables can be arrays.
    arrays: bool = [N, Y, N, N, Y, Y, Y], "observed: a=(x y)";
    /// `name+=value` appends.
    append_assignment: bool = [N, Y, N, N, Y, Y, Y], "observed: a=1; a+=2; echo $a";
    /// What `${!x}` expands.
    indirection: Indirection = [Indirection::None, Indirection::Value, Indirection::None, Indirection::None, Indirection::Name, Indirection::Name, Indirection::None], "observed: y=x; x=1; echo ${!y}";
    /// `${!x*}` lists the names that begin with x.
    name_listing: bool = [N, Y, N, N, Y, N, N], "observed in all six: xa=1; echo ${!x*}";
    /// `${x:offset:length}` takes a part of the value.
    substrings: bool = [N, Y, N, Y, Y, Y, Y], "observed: x=abc; echo ${x:1:1}";
    /// `${x/pattern/text}` replaces.
    replacement: bool = [N, Y, N, Y, Y, Y, Y], "observed: x=abc; echo ${x/b/-}";
    /// `${x^}` and `${x,}` change case.
    case_change: bool = [N, Y, N, N, N, N, N], "observed: x=abc; echo ${x^}";
    /// `${x@Q}` and its kin transform the value.
    transformations: bool = [N, Y, N, N, N, Y, N], "observed: x=abc; echo ${x@Q}";
    /// `$((` always begins an arithmetic expansion, even where it could be a command substitution.
    arithmetic_is_final: bool = [N, N, Y, Y, N, N, N], "observed: echo $((1)";
    /// What ends a here-document besides a line that is its delimiter.
    document_end: DocumentEnd = [DocumentEnd::Line, DocumentEnd::InSubstitution, DocumentEnd::Line, DocumentEnd::Line, DocumentEnd::BeforeParenthesis, DocumentEnd::BeforeCloser, DocumentEnd::Line], "observed in all six: x=$(cat <<E, a line, E)";
    /// A here-document that the text ends in is an error.
    unclosed_document_is_fatal: bool = [N, N, N, N, N, Y, N], "observed: cat <<E";
    /// A compound command may have an empty body.
    empty_bodies: bool = [N, N, N, N, N, N, Y], "observed: if :; then fi";
    /// `time` before a pipeline is a reserved word.
    time_reserved: bool = [N, Y, N, N, Y, Y, Y], "observed: time :";
    /// Before what `!` may stand alone.
    lone_negation: &'static [&'static str] = [&[], &["\n", ";"], &[], &[], &["\n", ";", "&", "||", ")"], &[], &["\n", ";", "&&", "||", ")"]], "observed in all six: ! ; echo $?; (!); ! && echo a";
    /// Before what `time` may stand alone.
    lone_time: &'static [&'static str] = [&[], &["\n", ";"], &[], &[], &["\n", ";", "&", ")"], &["\n", ";", "&", ")"], &["\n", ";", "&", ")"]], "observed in all six: time; (time); time && echo a";
    /// Before what the body of a function may be missing.
    empty_function_bodies: &'static [&'static str] = [&[], &[], &[], &[], &["&", "|"], &["&", "|", ";"], &[]], "observed in all six: f() ; echo a; f() && echo a";
    /// Where a semicolon may stand with no command before it.
    lone_semicolons: LoneSemicolons = [LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::None, LoneSemicolons::One, LoneSemicolons::None, LoneSemicolons::Newlines], "observed in all six: if; then; fi; true && ; echo a; { ; echo a; }; echo a; ; echo b";
    /// The parameters are variables too: `2=x`, `argv=(a b)`, `for 1 in a b`.
    parameters_are_variables: bool = [N, N, N, N, N, N, Y], "observed in all six: 2=x; argv[3]=y; echo $argv";
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
    /// An exported ARGV0 is the first element of the vector of programs.
    argv_zero_variable: bool = [N, N, N, N, N, N, Y], "observed in all six: ARGV0=x printargs";
    /// `noglob` and `nocorrect` before a command.
    precommand_words: bool = [N, N, N, N, N, N, Y], "observed in all six: noglob echo *";
    /// Quotes in the key of an associative array belong to it.
    keys_keep_quotes: bool = [N, N, N, N, N, N, Y], "observed in zsh: typeset -A m; m['a']=x; echo ${(k)m}";
    /// `name[@]=value` sets all elements; of an associative array it is an error.
    all_elements_assign: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); a[@]=k; echo $a";
    /// `$!` is 0 as long as no command has run in the background.
    no_job_is_zero: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $!";
    /// The status of `unset -f` for what is no function.
    unset_no_function_status: Status = [0, 0, 0, 0, 0, 0, 1], "observed in all six: unset -f nosuch; echo $?";
    /// The text of a command substitution is read when it is carried out, with the aliases of then.
    substitutions_read_late: bool = [N, N, N, N, N, N, Y], "observed in all six: alias l=label, newline, l $(l a)";
    /// A quote in the pattern of `\"${x#p}\"` or `${x/p/r}` quotes only if its partner stands before the
    /// end of the pattern.
    pattern_quotes_need_pairs: bool = [N, N, N, N, N, N, Y], "observed in zsh: echo \"${x%'}b'}\" ${x//'/'/-}";
    /// `alias -g` makes an alias that is replaced wherever it is a word.
    global_aliases: bool = [N, N, N, N, N, N, Y], "observed in zsh: alias -g G=word, newline, echo G";
    /// What of an expression has been evaluated when something in it is found to be wrong.
    arithmetic_while_reading: WhileReading = [WhileReading::Nothing, WhileReading::All, WhileReading::Nothing, WhileReading::Operators, WhileReading::Nothing, WhileReading::All, WhileReading::Operators], "observed in all six: let 'x = 3, y = )'; echo $x";
    /// Utilities that go on, with this status, when they cannot assign a read-only variable.
    read_only_statuses: &'static [(&'static str, Status)] = [&[], &[("read", 1), ("getopts", 2), ("mapfile", 1), ("readarray", 1), ("printf", 1)], &[("getopts", 2)], &[("getopts", 2)], &[("read", 1), ("getopts", 2), ("printf", 1), ("eval", 1)], &[("read", 2), ("getopts", 2), ("typeset", 2)], &[]], "observed in all six: readonly r; read r <<< k; echo after $?";
    /// A `for` or `select` whose variable is read-only is not carried out, and the shell goes on.
    read_only_loops_go_on: bool = [N, Y, N, N, N, N, N], "observed in all six: readonly r; for r in a; do :; done; echo after";
    /// `select` whose variable is read-only has the status 1, and the shell goes on.
    read_only_select_goes_on: bool = [N, Y, N, N, Y, N, N], "observed: readonly r; select r in a; do :; done <<< 1; echo after";
    /// The status after an assignment to a read-only variable.
    read_only_status: Status = [2, 1, 2, 2, 1, 2, 1], "observed in all six: readonly r=1; (r=2); echo $?";
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
    /// `set -n` counts for the rest of its line too.
    no_exec_counts_at_once: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: set -n; echo a";
    /// An operation with an unknown letter behind `@` is a mistake only if the parameter is set.
    bad_letter_needs_value: bool = [N, Y, N, N, N, N, N], "observed in bash: echo ${nosuch@y}";
    /// `${a[@]}` of an array without elements is unset under `set -u`.
    empty_arrays_are_unset: bool = [N, N, N, N, N, Y, N], "observed in all six: set -u; a=(); echo ${a[@]}";
    /// `${#a[@]}` of what is not set is a mistake under `set -u`.
    array_length_minds_unset: bool = [N, Y, N, N, N, Y, N], "observed in all six: set -u; echo ${#a[@]}";
    /// A number with a base beyond the largest is a decimal one.
    large_base_is_ten: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo $((65#12))";
    /// What quotes and backslashes in the word of `${x-word}` do in a here-document.
    document_quotes: DocumentQuotes = [DocumentQuotes::Quoted, DocumentQuotes::BackslashQuotes, DocumentQuotes::Quoted, DocumentQuotes::Quoted, DocumentQuotes::SinglesToo, DocumentQuotes::BackslashOutside, DocumentQuotes::Quoted], "observed in all six: read -r x <<E with ${z-\"a\\b\"}, ${z-a\\b}, ${z-\"a 'b'\"}";
    /// `test` does not look at words behind a complete expression.
    test_ignores_rest: bool = [N, N, N, N, Y, N, N], "observed in all six: [ -f lid x ]; echo $?";
    /// A negative index before the start of an array is a mistake even where a value is read, and one
    /// text has no last element.
    early_index_is_mistake: bool = [N, N, N, N, Y, N, N], "observed in all six: a=(x); echo ${a[-4]}; echo after";
    /// `[!]...]` does not look at the bracket behind the sign.
    negated_bracket_vanishes: bool = [N, N, N, N, Y, N, N], "observed in ksh93: case ] in [!]a]) echo yes; esac";
    /// `'\\n'` in arithmetic is the code of the newline.
    arithmetic_character_escapes: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo $(('\\n'))";
    /// `\\/` in the replacement of `${x/p/r}` keeps its backslash.
    replacement_keeps_escaped_slash: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo ${x/b/\\/}";
    /// How a variable of `typeset -E` shows its number: the letter of `printf`, and how much less than
    /// asked for the precision is.
    scientific_numbers: (u8, usize) = [(b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'g', 0), (b'e', 1)], "observed in ksh93 and zsh: typeset -E3 f=1234.5; echo $f";
    /// `typeset -F` and `float` make variables that hold real numbers.
    real_variables: bool = [N, N, N, N, Y, N, Y], "observed in all six: typeset -F2 f=1.567; echo $f";
    /// Behind a `[[` that no `]]` has ended `&&` and `||` are words.
    brackets_hide_connectors: bool = [N, N, N, Y, N, N, N], "observed in busybox: [[ -f lid && -d combs ]]; echo $?; echo [[ a && echo b";
    /// In `[[` newlines may stand between an operator and its operands, and behind a lone word.
    newlines_between_operands: bool = [N, N, N, N, N, N, Y], "observed in all six: [[ a, newline, && b ]]; [[ -n, newline, a ]]";
    /// Behind an `eval` whose text ends in a backslash the next line cannot begin with a reserved word.
    last_backslash_hides_reserved: bool = [N, Y, N, N, N, N, N], "observed in bash: eval 'echo \\\\', newline, { echo a; }";
    /// Assignments without a command come before their redirections.
    assigns_before_redirecting: bool = [N, Y, N, N, Y, N, N], "observed in all six: x=1 >nosuch/f; echo $x";
    /// `$(<file)` is what the file holds.
    file_substitution: FileSubstitution = [FileSubstitution::No, FileSubstitution::Alone, FileSubstitution::No, FileSubstitution::No, FileSubstitution::First, FileSubstitution::FirstOfAny, FileSubstitution::Alone], "observed in all six: x=$(<f); x=$(<f >g); x=$(<<<a); x=$(3<f)";
    /// Printing to a closed descriptor is no mistake.
    closed_output_is_silent: bool = [N, N, N, N, N, N, Y], "observed in all six: x=$(echo a >&-; echo $?); echo $x";
    /// `path` is the list of the folders in PATH, and both change together.
    tied_path: bool = [N, N, N, N, N, N, Y], "observed in zsh: path=(/bin); echo $PATH";
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
    /// A coprocess may have a name before its compound command.
    named_coprocesses: bool = [N, Y, N, N, N, N, N], "observed in bash and zsh: coproc press { :; }";
    /// The index `@` of an array is 0 in arithmetic, with a message.
    whole_array_is_zero: bool = [N, Y, N, N, N, N, N], "observed in all six: a=(1 2); echo $((a[@]))";
    /// `coproc` begins a coprocess.
    coprocesses: bool = [N, Y, N, N, N, N, Y], "observed: coproc :";
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
    /// A function may have a name that is no variable name.
    any_function_name: bool = [N, Y, N, N, N, Y, Y], "observed: a-b() { :; }";
    /// A function body may be a simple command.
    simple_function_bodies: bool = [N, N, Y, Y, Y, Y, Y], "observed: f() echo a";
    /// `{name}>file` picks a descriptor.
    named_descriptors: bool = [N, Y, N, N, Y, N, Y], "observed: : {fd}>/dev/null";
    /// A descriptor before a redirection may have several digits.
    long_descriptors: bool = [Y, Y, N, Y, N, N, N], "observed: echo 12>&1";
    /// `&>` redirects both outputs.
    redirect_both: bool = [N, Y, N, Y, Y, Y, Y], "observed: echo a &>/dev/null";
    /// `<<<` is a here-string.
    here_strings: bool = [N, Y, N, N, Y, Y, Y], "observed: cat <<<a";
    /// Arithmetic has `**`.
    arithmetic_power: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: echo $((2**3))";
    /// Arithmetic has `++` and `--`.
    arithmetic_steps: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: i=1; echo $((i++))";
    /// The words that `type` calls reserved.
    reserved_words: &'static [&'static str] = [RESERVED, RESERVED_BASH, RESERVED, RESERVED_BUSYBOX, RESERVED_KSH, RESERVED_MKSH, RESERVED_ZSH], "observed in all six: type if [[ coproc end";
    /// Words that begin no command, besides those that go on or end a compound one.
    never_commands: &'static [&'static str] = [&["in"], &["in", "]]"], &["in"], &["in"], &["in"], &["in"], &[]], "observed in all six: in; ]]; in() { :; }";
    /// Reserved words that count behind assignments and redirections, where none may stand.
    reserved_behind_assignments: &'static [&'static str] = [&[], &[], &[], &[], &[], &[], MISPLACED_ZSH], "observed in all six: x=1 then; >f then; x=1 !";
    /// What may stand behind redirections that begin a command.
    behind_redirections: BehindRedirections = [BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Words, BehindRedirections::Parentheses, BehindRedirections::Subshells, BehindRedirections::Commands], "observed in all six: >f (echo a); >f ((1)); >f { echo a; }; >f if true; then echo a; fi";
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
    /// The status of `kill` with a job that there is not.
    kill_no_job_status: Status = [1, 1, 2, 2, 1, 1, 1], "observed in all six: kill %1; echo $?";
    /// A command name that begins with `%` stands for `fg` with a job.
    job_names: JobNames = [JobNames::None, JobNames::Any, JobNames::None, JobNames::None, JobNames::None, JobNames::None, JobNames::Unquoted], "observed in all six: %1; '%1'; echo $?";
    /// Variables that the shell sets at its start.
    first_variables: &'static [(&'static str, &'static str)] = [&[], &[], &[], &[], &[], &[], &[("NULLCMD", "cat"), ("READNULLCMD", "pager"), ("OPTARG", "")]], "observed in all six: env -i SHELL -c set; echo ${OPTARG-unset}";
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
    /// `typeset -fu` marks functions that are to be read from files, which may not exist yet.
    typeset_marks_functions: bool = [N, N, N, N, Y, Y, Y], "observed in all six: typeset -fu nosuch; echo $?";
    /// `test -t` with what is no number is false; otherwise it is a mistake.
    test_takes_any_descriptor: bool = [N, Y, N, N, Y, N, Y], "observed in all six: [ -t x ]; echo $?";
    /// The status of `.` with an option, where it has options; it has none that it knows.
    dot_option_status: Option<Status> = [Some(2), Some(2), Some(2), Some(2), Some(2), Some(1), None], "observed in all six: . -x; echo $?";
    /// An option of `.` ends the shell.
    dot_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: . -x; echo after; source -x; echo after";
    /// In arithmetic `--1` is minus minus 1.
    arithmetic_double_signs: bool = [Y, Y, Y, Y, N, N, N], "observed in all six: echo $((--1))";
    /// Arithmetic has the comma operator.
    arithmetic_comma: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: echo $((1,2))";
    /// A constant with a leading zero is octal.
    arithmetic_octal: bool = [Y, Y, Y, Y, N, N, N], "observed in all six: echo $((010))";
    /// The largest base of constants such as `16#ff`; 0 where there are none.
    arithmetic_largest_base: u32 = [0, 64, 0, 64, 64, 36, 36], "observed in all six: echo $((64#_))";
    /// The width of a number in bits.
    arithmetic_bits: u32 = [64, 64, 64, 64, 64, 32, 64], "observed in all six: echo $((1<<31))";
    /// A variable's value may itself be an expression.
    arithmetic_recursive: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: x=1+2; echo $((x*2))";
    /// An empty expression is 0.
    empty_arithmetic_is_zero: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: echo $(( ))";
    /// What counts as a blank inside an expression.
    arithmetic_blanks: &'static str = [" \t\n", " \t\n", " \t\n", " \t\n\x0b\x0c\r", " \t\n", " \t\n\x0b\x0c\r", " \t\n"], "observed in all six: x=$(printf '\\r7'); echo $(($x))";
    /// What counts as a blank before a number besides.
    arithmetic_blanks_before_numbers: &'static str = ["", "", "", "", "\x0b\x0c\r", "", ""], "observed in all six: x=$(printf '\\r7'); echo $(($x))";
    /// The end of an expression closes the parentheses that it begins with.
    arithmetic_end_closes: bool = [N, N, N, Y, N, N, N], "observed in all six: x='(1+2'; echo $(($x))";
    /// A variable is looked up when its operator comes, behind the right operand.
    arithmetic_late_variables: bool = [N, N, N, Y, N, N, Y], "observed in all six: x=1; echo $((x + (x=5)))";
    /// `x += value` looks x up behind the value.
    arithmetic_late_assignments: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: x=1; echo $((x += (x=5)))";
    /// Underscores inside numbers are passed over.
    arithmetic_underscores: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((1_000))";
    /// `inf` and `nan` are numbers.
    arithmetic_infinities: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo $((inf))";
    /// What a mistake in a comparison of numbers inside `[[ ]]` ends.
    comparison_mistake: ComparisonMistake = [ComparisonMistake::Ends, ComparisonMistake::IsFalse, ComparisonMistake::Ends, ComparisonMistake::Ends, ComparisonMistake::Ends, ComparisonMistake::EndsCommand, ComparisonMistake::Ends], "observed in all six: [[ 1+ -eq 1 || a = a ]]; echo $?";
    /// `test` compares numbers with what stands behind their points.
    test_compares_reals: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0.5 -gt 0 ]; echo $?";
    /// `test` reads hexadecimal numbers.
    test_hexadecimal: bool = [N, N, N, N, Y, N, N], "observed in all six: [ 0x1f -gt 0 ]";
    /// The status a shell ends with after an arithmetic error.
    arithmetic_status: Status = [2, 1, 2, 2, 1, 1, 1], "observed in all six: echo $((1/0)); echo $?";
    /// `echo` decodes escapes without being asked.
    echo_decodes: bool = [Y, N, Y, N, N, Y, Y], "observed in all six: echo 'a\\tb'";
    /// The option letters of `echo`.
    echo_options: &'static str = ["", "neE", "n", "neE", "ne", "neE", "neE"], "observed in all six: echo -ne a";
    /// `shift` by more than there are parameters ends the shell.
    shift_too_many_is_fatal: bool = [Y, N, Y, N, Y, Y, N], "observed in all six: shift 5; echo after";
    /// `local x` keeps the value that x has outside.
    local_inherits: bool = [N, N, Y, N, N, N, N], "observed: x=1; f() { local x; echo $x; }; f";
    /// `unset` of a read-only variable ends the shell.
    unset_read_only_is_fatal: bool = [Y, N, Y, Y, N, N, Y], "observed in all six: readonly x; unset x; echo after";
    /// `return` leaves its whole number in `$?`, not only the last byte of it.
    returns_wide_statuses: bool = [N, N, Y, N, Y, N, Y], "observed in all six: f() { return 256; }; f; echo $?";
    /// A redirection of a special built-in utility that fails ends the shell.
    special_redirection_failure_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: : <nosuch; echo after";
    /// `set -e` counts inside command substitutions.
    substitution_keeps_exit_on_error: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: set -e; x=$(false; echo a); echo $x";
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
    /// `for x (a b)`, bodies without `do`, `repeat`, `foreach`, `always`, functions without a name and
    /// with several.
    short_forms: bool = [N, N, N, N, N, N, Y], "observed in zsh: for x (a b) echo $x; repeat 2 echo b; () { echo $1 } c";
    /// Behind the name in a braced expansion these cannot be read; what else is no operation is a bad
    /// substitution once it is expanded.
    spoils_expansion: &'static [u8] = [b"", b"", b"", b"", b"^,~&;|<>() \t\n'\"`{]", b"", b""], "observed in all six: label a; label ${x^}";
    /// A list for one element of an array is a mistake that ends this; otherwise nobody says what it makes.
    list_in_element_ends: Option<Reach> = [None, Some(Reach::Line), None, None, None, Some(Reach::Shell), None], "observed in bash and mksh: label a; a[0]=(); label b";
    /// The status a shell ends with after a wrong use of a special built-in utility.
    usage_status: Status = [2, 2, 2, 2, 1, 1, 1], "observed in all six: shift x; echo $?";
    /// Assignments before a special built-in utility stay.
    special_keeps_assignments: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: x=1 :; echo $x";
    /// The last command of a pipeline is run by the shell itself.
    last_of_pipeline_in_place: bool = [N, N, N, N, Y, N, Y], "observed in all six: echo a | read x; echo $x";
    /// A command substitution sets `$?` for the words behind it in the same command.
    substitution_sets_status: bool = [N, Y, N, N, Y, N, Y], "observed in all six: echo $(exit 6) $?";
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
    /// `local OPTIND` keeps the place in the words for when the function ends.
    getopts_keeps_place_for_local: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { local OPTIND=1; getopts ab p -ba; }; getopts ab o -ab; f; getopts ab o -ab; echo $o";
    /// Behind a function with `local OPTIND` the options begin again.
    getopts_starts_over_behind_local: bool = [N, N, N, N, N, Y, N], "observed in mksh: f() { local OPTIND; }; getopts ab o -a -b; f; getopts ab o -a -b; echo $o";
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
    /// What the action for EXIT still sees of a function that `exit` has ended.
    exit_keeps: KeepsScope = [KeepsScope::Nothing, KeepsScope::All, KeepsScope::Variables, KeepsScope::Variables, KeepsScope::Nothing, KeepsScope::All, KeepsScope::Nothing], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; exit; }; f own";
    /// What it still sees of a function in which `set -e` has ended the shell; nothing where that is
    /// as with `exit`.
    error_exit_keeps: Option<KeepsScope> = [None, Some(KeepsScope::Parameters), None, None, None, None, None], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; set -e; false; }; f own";
    /// When `set -e` ends the shell inside a function, only the action for EXIT of that function is
    /// carried out.
    error_exit_skips_outer_actions: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo bye' EXIT; f() { set -e; false; }; f";
    /// What it still sees of a function in which a mistake has ended the shell.
    mistakes_keep: KeepsScope = [KeepsScope::Nothing, KeepsScope::Nothing, KeepsScope::Variables, KeepsScope::Variables, KeepsScope::Nothing, KeepsScope::All, KeepsScope::Nothing], "observed in all six: trap 'echo $x $1' EXIT; f() { local x=in; : ${nosuch?}; }; f own";
    /// The action for EXIT is carried out behind mistakes too.
    mistakes_act: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: trap 'echo bye' EXIT; echo $((1/0))";
    /// The action for EXIT is carried out when `exec` finds no program.
    failed_exec_acts: bool = [Y, Y, Y, Y, N, Y, N], "observed in all six: trap 'echo bye' EXIT; exec nosuch";
    /// OPTERR is 1 at the start.
    option_errors: bool = [N, Y, N, N, N, N, N], "observed in all six: echo ${OPTERR-unset}";
    /// The colon at the start of the options names an option too.
    getopts_finds_colon: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts :ab o -:; echo $o";
    /// What OPTIND keeps of a value that is assigned to it.
    option_index: OptionIndex = [OptionIndex::Text, OptionIndex::Integer, OptionIndex::Digits, OptionIndex::Text, OptionIndex::Integer, OptionIndex::Integer, OptionIndex::Integer], "observed in all six: OPTIND=1x; echo after; OPTIND=x; echo after";
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
    /// A mistake in an index ends the shell even in `((` and `let`.
    index_mistakes_go_through: bool = [N, Y, N, N, N, Y, N], "observed in all six: ((a[1/0]=3)); echo $?; let 'a[1/0]=3'; echo $?";
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
    /// The value of PATH where the environment has none; none if it is empty.
    path_at_start: &'static str = ["", "/usr/local/bin:/usr/local/sbin:/usr/bin:/usr/sbin:/bin:/sbin:.", "/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin", "/sbin:/usr/sbin:/bin:/usr/bin", "", "/usr/bin:/bin", "/bin:/usr/bin:/usr/ucb:/usr/local/bin"], "observed in all six of Debian 12, started with an empty environment: echo $PATH";
    /// Programs are handed the PATH that the shell gave itself.
    exports_path_at_start: bool = [N, N, N, Y, N, Y, N], "observed in all six, started with an empty environment: env";
    /// Where programs are looked for without PATH.
    search_without_path: WithoutPath = [WithoutPath::Folders("/bin:/usr/bin"), WithoutPath::Folder, WithoutPath::Folder, WithoutPath::Folder, WithoutPath::Folders("/bin:/usr/bin"), WithoutPath::Folders("/usr/bin:/bin"), WithoutPath::Nowhere], "observed in all six: unset PATH; jar";
    /// An empty PATH stands for the current folder.
    empty_path_is_folder: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: PATH=; jar";
    /// What becomes of a file that the kernel does not know.
    unknown_files: UnknownFiles = [UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Binaries }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::Nothing }, UnknownFiles { reader: Some(Reader::Itself), refuses: Refuses::NulInLine }, UnknownFiles { reader: Some(Reader::Sh), refuses: Refuses::Programs }, UnknownFiles { reader: Some(Reader::Sh), refuses: Refuses::NulOrMark }], "observed in all six: files of text, empty ones, with a NUL in the first line or behind it, broken programs; ./file a";
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
    /// A mistake in `((...))` has the status 1 and the shell goes on.
    arithmetic_command_recovers: bool = [N, Y, N, N, N, Y, Y], "observed in bash: ((1 2)); echo $?";
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
    unset_status: Status = [2, 127, 2, 2, 1, 1, 1], "observed in all six: SHELL -c ': ${x?}'; echo $?";
    /// The letters that `$-` can have when the shell was started with `-c`, in its order.
    dash_flags: &'static str = ["efu", "efhuBc", "ufe", "ucfe", "cefhuB", "efuhUc", "569XFefu"], "observed in all six: echo $-; set -feu; echo $-";
    /// How `$'...'` decodes its escapes.
    dollar_escapes: &'static DollarEscapes = [&escapes::BASH, &escapes::BASH, &escapes::BASH, &escapes::BUSYBOX, &escapes::KSH93, &escapes::MKSH, &escapes::ZSH], "observed with each letter";
    /// What becomes of a constant that is too large.
    arithmetic_large_constant: LargeConstant = [LargeConstant::Saturates, LargeConstant::Wraps, LargeConstant::Saturates, LargeConstant::Vanishes, LargeConstant::Real, LargeConstant::Wraps, LargeConstant::Truncates], "observed in all six: echo $((9223372036854775808)) $((99999999999999999999))";
    /// Arithmetic has real numbers.
    arithmetic_reals: Reals = [Reals::None, Reals::None, Reals::None, Reals::None, Reals::PointVanishes, Reals::None, Reals::PointStays], "observed in all six: echo $((1.5*2))";
    /// Reals are of C's `long double` with 64 digits in the base of two; otherwise of its `double`.
    extended_reals: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: echo $((1.0/3)) $((1e300*1e300))";
    /// A real halfway between two numbers of fewer digits is written as the larger one, not as the even one.
    halves_up: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '%.0f %.1f' 0.5 2.25";
    /// `printf` computes with C's `long double`, not with its `double`; mksh has the system's.
    printf_extended: bool = [N, Y, N, N, Y, Y, N], "observed in all six: printf %.20f 0.1";
    /// `printf %d` makes the largest whole number of a real that is too large.
    printf_saturates: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: printf %d 1e19";
    /// How `printf` reads a real.
    printf_reals: PrintfReals = [PrintfReals::Start, PrintfReals::Start, PrintfReals::Start, PrintfReals::Whole, PrintfReals::Expression, PrintfReals::Start, PrintfReals::WholeOrExpression], "observed in all six: printf '%g|' 1e 1x '1 ' 0x1p3 0e1 1+1";
    /// A real too large or too small for `printf` makes its status 1.
    printf_minds_range: bool = [Y, N, Y, Y, Y, Y, Y], "observed in all six: printf %g 1e5000; echo $?";
    /// `&&` and `||` cut what is behind the point of a real.
    logic_cuts_reals: bool = [N, N, N, N, N, N, Y], "observed in ksh93 and zsh: echo $((0.5&&2)) $((0.5||0))";
    /// How the constants of reals are written.
    real_constants: RealConstants = [RealConstants::Plain, RealConstants::Plain, RealConstants::Plain, RealConstants::Plain, RealConstants::Lenient, RealConstants::Plain, RealConstants::Plain], "observed in ksh93 and zsh: echo $((0x1.8p1)) $((1e)) $((1e+)) $((.)) $((0e1)) $((1e4294967297))";
    /// A value that is a minus sign and zeros, and all of an expression, is the real -0.
    minus_zero: bool = [N, N, N, N, Y, N, N], "observed in all six: z=-0; echo $(($z)) $((z)) $((-0))";
    /// Plus signs before the end of an expression count for nothing.
    plus_signs_at_end: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((+)) $((+ +)) $((1,+)) $((-+))";
    /// A choice with nothing between `?` and `:` is 1, whatever holds.
    empty_choice_is_one: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((0?:3)) $((2?:3))";
    /// Powers are computed as C's `pow` does, in `double`, even those of whole numbers.
    powers_are_doubles: bool = [N, N, N, N, Y, N, N], "observed in ksh93 and zsh: echo $((3**39)) $((10**-1))";
    /// Variables of reals keep the whole number, not only the digits that they show.
    real_variables_keep_digits: bool = [N, N, N, N, Y, N, Y], "observed in ksh93 and zsh: typeset -F3 f=1.0005; echo $f $((f))";
    /// Arithmetic has functions such as `sqrt`.
    arithmetic_functions: bool = [N, N, N, N, Y, N, N], "observed in all six: echo $((sqrt(16)))";
    /// Arithmetic has constants such as `0b101`.
    arithmetic_binary: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((0b101))";
    /// What quotes in an arithmetic expression do.
    arithmetic_quotes: Quotes = [Quotes::Vanish, Quotes::Vanish, Quotes::Stay, Quotes::Stay, Quotes::Separate, Quotes::Stay, Quotes::Separate], "observed in all six: echo $((1\"0\"))";
    /// `1#c` is the code of a character.
    base_one_is_a_character: bool = [N, N, N, N, N, Y, N], "observed in all six: echo $((1#0))";
    /// What `#` means where a value stands.
    arithmetic_sign: ArithmeticSign = [ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Error, ArithmeticSign::Zero, ArithmeticSign::Parameters], "observed in all six: echo $((#)); x=a; echo $((#x))";
    /// What a constant with a base and no digits is.
    empty_digits: EmptyDigits = [EmptyDigits::Refused, EmptyDigits::Refused, EmptyDigits::Refused, EmptyDigits::Zero, EmptyDigits::ZeroFromTen, EmptyDigits::Zero, EmptyDigits::Zero], "observed in all six: echo $((2#)) $((10#)) $((64#))";
    /// Arithmetic evaluates both sides of `&&`, `||` and `?:`, and looks a variable up only when its operator comes.
    arithmetic_eager: bool = [N, N, N, Y, N, N, N], "observed in all six: x=1; echo $((0&&x++)) $x";
    /// Shifts and bit operators bind more tightly than all others.
    bits_bind_first: bool = [N, N, N, N, N, N, Y], "observed in all six: echo $((1+2<<3))";
    /// An unset variable in arithmetic is an error under `set -u`.
    arithmetic_minds_unset: bool = [Y, Y, N, N, Y, N, Y], "observed in all six: set -u; echo $((x))";
    /// A variable's value must not name a variable that is not set.
    arithmetic_value_names_must_be_set: bool = [N, N, N, N, Y, N, N], "observed in all six: x=abc; echo $((x))";
    /// The result of an arithmetic expansion is not split.
    arithmetic_is_whole: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=1; echo $((11+2))";
    /// The status of `((...))` after a mistake after which the shell goes on.
    arithmetic_command_status: Status = [1, 1, 1, 1, 1, 2, 2], "observed in all six: ((1/0)); echo $?";
    /// What `${@#p}` and its kin do to a list.
    list_operations: ListOperations = [ListOperations::Each, ListOperations::Each, ListOperations::WholeString, ListOperations::WholeString, ListOperations::Each, ListOperations::Refused, ListOperations::Each], "observed in all six: set -- aay bby; echo ${@%y}";
    /// The words of a list behind a declaration utility are expanded with the other arguments, before the name is declared.
    list_arguments_expand_first: bool = [N, Y, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: x=0; f() { local x=1 a=($x); echo ${a[@]}; }; f";
    /// A backslash that comes from a value stands for itself before a quoted character of a pattern, and that character is a part of the pattern then.
    quotes_pair: QuotesPair = [QuotesPair::Always, QuotesPair::Always, QuotesPair::Before("!*?[]=~:/-\\"), QuotesPair::Before("!*?[]-\\"), QuotesPair::Before("*?[]\\"), QuotesPair::Never, QuotesPair::Never], "observed in all six: x='a\\'; case 'a\\zb' in $x\\*b) echo 1;; *) echo 2;; esac";
    /// The same in the patterns of `${x#p}`, `${x/p/r}` and their kin.
    quotes_pair_in_operations: QuotesPair = [QuotesPair::Spoils, QuotesPair::Spoils, QuotesPair::Before("!*?[]=~:/-\\"), QuotesPair::Before("!*?[]-\\"), QuotesPair::Before("*?[]\\"), QuotesPair::Never, QuotesPair::Never], "observed in all six: x='\\'; y='a*b'; echo ${y#a$x'*'} ${y%$x\\*b}";
    /// The status with which an option that a special built-in does not know ends the shell.
    unknown_option_status: Status = [2, 2, 2, 2, 2, 1, 1], "observed in all six: (set -Q); echo $?; (export -z); echo $?";
    /// `command` keeps an assignment of `export` and its kin to a read-only variable from ending the shell, with this status.
    command_holds_read_only: Option<Status> = [None, None, None, None, Some(1), Some(2), None], "observed in all six: readonly v; command export v=1; echo $?";
    /// Where words are looked up behind an alias that ends in a blank.
    aliases_behind_blank: AliasesBehindBlank = [AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Lists, AliasesBehindBlank::Anywhere, AliasesBehindBlank::Commands], "observed in all six: alias a='for ' b='i in'; then a b c; do echo $i; done";
    /// A blank behind a backslash at the end of an alias counts.
    escaped_blank_of_alias_counts: bool = [Y, Y, N, N, N, Y, Y], "observed in all six: alias t='echo \\ ' w=W; then t w";
    /// Words that are reserved before they are looked up as aliases, where a command begins.
    reserved_before_aliases: &'static [&'static str] = [RESERVED, &["}"], RESERVED, RESERVED_BUSYBOX, RESERVED_KSH, RESERVED_MKSH, &[]], "observed in all six: alias while=x; then while false; do :; done; and so on";
    /// What `exit` without an operand ends with in an action.
    exit_in_actions: ActionStatus = [ActionStatus::Before, ActionStatus::BeforeAtEnd, ActionStatus::Before, ActionStatus::Before, ActionStatus::Latest, ActionStatus::Before, ActionStatus::Latest], "observed in all six: (trap '(exit 5); exit' EXIT; exit 3); echo $?";
    /// What `return` without an operand ends with in an action.
    return_in_actions: ActionStatus = [ActionStatus::Before, ActionStatus::Before, ActionStatus::BeforeOutsideFunctions, ActionStatus::BeforeOutsideFunctions, ActionStatus::Latest, ActionStatus::Before, ActionStatus::BeforeOutsideFunctions], "observed in all six: trap '(exit 5); return' USR1; f() { (exit 7); kill -USR1 $$; }; f; echo $?";
    /// `${ ...;}` has variables of its own as a function does.
    command_braces_have_variables: bool = [N, N, N, N, N, Y, N], "observed in ksh93 and mksh: e=1; x=${ typeset e=2; }; echo $e";
    /// Words that close or go on with a compound command can come from aliases.
    aliases_close_compounds: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: alias D=do E=done; then for x in 1; D echo $x; E";
    /// What quotes or expansions in the name of a function that is defined do.
    quoted_function_names: QuotedNames = [QuotedNames::Refused, QuotedNames::Late, QuotedNames::Refused, QuotedNames::Refused, QuotedNames::Taken, QuotedNames::Taken, QuotedNames::Any], "observed in all six: 'a b'() { echo in; }; 'a b'";
    /// `print` decodes its words as `$'...'` is decoded.
    print_decodes_as_quotes: bool = [N, N, N, N, N, N, Y], "observed in zsh 5.9: print 'a\\qb' with every letter";
    /// A list that other text follows directly is a text itself.
    lists_go_on_as_text: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: a=(4*3)/2; echo $a; let a=(4*3)/2; echo $a";
    /// `local -I` keeps the value that is outside.
    locals_can_inherit: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: v=1; f() { local -I v; echo $v; }; f";
    /// What base an integer variable has that was declared without one.
    integers_take_base: TakesBase = [TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::Never, TakesBase::OfFirstNumber, TakesBase::OfLastBased], "observed in bash, ksh93, mksh and zsh: typeset -i m; m=1+16#ff; echo $m; m=8#17; echo $m";
    /// `readonly -a name` and `export -a name` make an array of a name without a value.
    export_makes_arrays: bool = [N, N, N, N, N, Y, Y], "observed in bash and zsh: readonly -a r; declare -p r";
    /// `readonly` makes variables of the function that it stands in.
    readonly_is_local: bool = [N, N, N, N, N, N, Y], "observed in all six: f() { readonly x=1; }; x=0; f; echo $x";
    /// A dot in a group at the start of a pattern matches that of a hidden name.
    groups_match_hidden: bool = [N, Y, N, N, Y, N, Y], "observed in bash, ksh93, mksh and zsh: echo @(.x|a) +(.)x";
    /// The patterns of `case` may be empty, and hold blanks in parentheses.
    loose_case_patterns: bool = [N, N, N, N, N, N, Y], "observed in all six: case '' in a|) echo 1;; esac; case 'a b' in (a b) echo 2;; esac";
    /// A slash ends a bracket expression when the shell looks whether a word is a pattern at all; a quoted one does not.
    slash_ends_brackets: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: shopt -s nullglob; echo [a/b] [a\\/b] [a/ [a\\/]";
    /// What an assignment to an element before a command does.
    temporary_elements: TemporaryElements = [TemporaryElements::Kept, TemporaryElements::Ignored, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Kept, TemporaryElements::Stay], "observed in bash, ksh93, mksh and zsh: a=(1 2); a[1]=x eval 'echo ${a[@]}'; echo ${a[@]}";
    /// An assignment before a command hides the elements of an array.
    temporaries_hide_arrays: bool = [N, N, N, N, N, Y, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); a[1]=x eval 'echo ${a[@]}'";
    /// An assignment before a command hides an array and makes a text of a list.
    temporaries_are_texts: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); a=x eval 'echo ${a[@]}'; a=(y z) eval 'echo ${a[@]}'";
    /// What `unset 'a[@]'` takes away.
    unset_all: UnsetAll = [UnsetAll::Variable, UnsetAll::Elements, UnsetAll::Variable, UnsetAll::Variable, UnsetAll::Nothing, UnsetAll::Fatal, UnsetAll::Value], "observed in bash, ksh93 and zsh: a=(1 2); unset 'a[@]'; echo ${#a[@]}; typeset -A h; h[k]=v; unset 'h[@]'; echo ${#h[@]}";
    /// An indexed array cannot become an associative one, nor the other way round.
    arrays_keep_their_kind: bool = [N, Y, N, N, N, N, N], "observed in bash 5.2: declare -a a; declare -A a; echo $?";
    /// How many here-documents can begin on one line.
    most_documents: usize = [usize::MAX, 16, usize::MAX, usize::MAX, usize::MAX, 10, usize::MAX], "observed in all six: : <<A <<A <<A ... 9 to 40 times";
    /// Behind which assignments and redirections the name of a command is replaced if it is an alias.
    aliases_behind: AliasesBehind = [AliasesBehind::Both, AliasesBehind::Either, AliasesBehind::Both, AliasesBehind::Both, AliasesBehind::Either, AliasesBehind::Both, AliasesBehind::Assignments], "observed in all six: alias a='echo x'; then x=1 a, </dev/null a, x=1 </dev/null a, </dev/null x=1 </dev/null a";
    /// The blank at the end of an alias still counts behind the aliases that its text began with.
    blank_of_alias_lasts: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: alias a='echo x' b='a ', then b a on the next line";
    /// In quotes inside the word of an operation that is quoted itself, a backslash quotes any character.
    inner_backslash_quotes_all: bool = [N, Y, N, N, Y, N, N], "observed in all six: foo=1; echo \"${foo:+\"\\p\"}\"";
    /// The first descriptor that `{name}>file` can take.
    first_named_descriptor: u32 = [10, 10, 10, 10, 10, 10, 11], "observed in bash, ksh93 and zsh: exec {v}>/dev/null; echo $v";
    /// Before which commands the action for DEBUG is carried out.
    debug_at: DebugAt = [DebugAt::Never, DebugAt::Tests, DebugAt::Never, DebugAt::Never, DebugAt::Simple, DebugAt::Never, DebugAt::Commands], "observed in all six: trap 'echo d' DEBUG; x=1; [[ a ]]; ((1)); for x in 1 2; do :; done";
    /// When the action for DEBUG is carried out for the passes of `for`.
    debug_loops: DebugLoops = [DebugLoops::Never, DebugLoops::Before, DebugLoops::Never, DebugLoops::Never, DebugLoops::Behind, DebugLoops::Never, DebugLoops::Never], "observed in all six: trap 'echo $x' DEBUG; for x in 1 2; do :; done";
    /// `set -E` lets functions inherit the action for ERR.
    errtrace_option: bool = [N, Y, N, Y, N, N, N], "observed in all six: set -E; echo $?";
    /// `set -T` lets functions inherit the actions for DEBUG and RETURN.
    functrace_option: bool = [N, Y, N, N, N, N, N], "observed in all six: set -T; echo $?";
    /// `set -o` knows `hashall` and `interactive-comments`.
    comment_options: bool = [N, Y, N, N, N, N, N], "observed in all six: set -o hashall; echo $?";
    /// Functions do not inherit the actions for ERR, DEBUG and RETURN.
    functions_lose_actions: bool = [N, Y, N, Y, N, N, N], "observed in all six: trap 'echo e' ERR; f() { false; :; }; f";
    /// The action for ERR is not carried out again for a function that returns what it was carried out for.
    error_action: ErrorAction = [ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::Each, ErrorAction::OncePerCall, ErrorAction::Once], "observed in all six: set -E; trap 'echo e' ERR; f() { false; }; f; eval false";
    /// A signal that ends the shell leaves time for the action for EXIT.
    signals_act_at_exit: bool = [N, Y, N, N, Y, Y, N], "observed in all six: trap 'echo x' EXIT; kill -TERM $$";
    /// `kill` knows signals in capitals only.
    signals_in_capitals: bool = [Y, N, N, N, N, Y, Y], "observed in all six: kill -usr1 $$";
    /// How much of SIG `kill` takes before the name of a signal.
    signal_prefix: usize = [0, 3, 0, 3, 3, 3, 3], "observed in all six: kill -SIGINT $$";
    /// `kill -l` tells the numbers of names.
    kill_tells_numbers: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: kill -l INT";
    /// A name with a parenthesis behind it is no alias.
    aliases_spare_functions: bool = [N, N, N, N, Y, Y, N], "observed in all six: alias foo='echo a', then foo() { echo b; } on the next line";
    /// `test -t` asks about descriptor 1.
    test_terminal_alone: bool = [N, N, N, N, Y, N, Y], "observed in all six: test -t >/dev/null; echo $?";
    /// `set -s` sorts the parameters.
    set_sorts: bool = [N, N, N, N, Y, Y, Y], "observed in all six: set -s -- c a b; echo $1";
    /// Utilities that pass on to a declaration utility behind them that its arguments are assignments.
    declaring_prefixes: &'static [&'static str] = [&["command"], &[], &["command"], &["command"], &["command"], &["command", "\\builtin"], &[]], "observed in all six: x='a b'; command export y=$x; echo $y; \\\\builtin typeset y=$x";
    /// Declaration utilities with quotes in their names take `name=value` as assignments.
    quoted_name_declares: bool = [N, N, N, N, Y, Y, N], "observed in all six: x='a b'; \\export y=$x; echo $y";
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
    /// `${x/pattern/text}` of an unset x works on an empty value.
    replaces_unset: bool = [N, N, N, N, Y, Y, Y], "observed in all six: unset v; echo ${v/*/w}";
    /// When a command leaves its last argument for `$_`.
    last_argument: LastArgument = [LastArgument::Never, LastArgument::Behind, LastArgument::Never, LastArgument::Never, LastArgument::Never, LastArgument::Never, LastArgument::Before], "observed in all six: echo a b; echo $_; f() { echo $_; : c; }; f d; echo $_";
    /// `set -o posix` changes rules of this table.
    posix_mode: bool = [N, Y, N, N, N, N, N], "observed in bash: set -o posix; IFS=: export x; echo $IFS";
    /// The names of options of `set -o` besides those that change words.
    set_names: &'static str = ["monitor noclobber notify verbose vi xtrace ignoreeof nolog", "emacs errtrace functrace hashall histexpand history ignoreeof interactive-comments keyword monitor noclobber nolog notify onecmd physical posix privileged verbose vi xtrace", "ignoreeof interactive monitor stdin xtrace verbose vi emacs noclobber notify privileged nolog debug", "ignoreeof monitor xtrace verbose noclobber notify errtrace vi", "backslashctrl bgnice emacs functrace gmacs histexpand histreedit histverify ignoreeof interactive keyword letoctal log login_shell markdirs monitor multiline notify posix privileged rc restricted showme trackall verbose vi viraw xtrace noclobber noexec nolog nounset clobber", "asis bgnice emacs gmacs ignoreeof inherit-xtrace interactive keyword login markdirs monitor noclobber nohup nolog notify physical posix privileged restricted sh stdin trackall utf8-mode verbose vi vi-esccomplete vi-tabcomplete viraw xtrace", "emacs histexpand interactivecomments markdirs monitor notify posixbuiltins privileged verbose vi xtrace clobber hup log"], "observed in all six: set -o";
    /// An unknown name behind `set -o` ends the shell.
    unknown_long_option_is_fatal: bool = [Y, N, Y, N, Y, Y, Y], "observed in all six: set -o nosuch; echo after";
    /// `set +B` switches brace expansion off.
    set_braces: bool = [N, Y, N, N, Y, N, N], "observed in all six: set +B; echo {a,b}";
    /// The status of `printf` after a conversion that it does not know.
    bad_conversion_status: Status = [1, 1, 2, 1, 0, 1, 1], "observed in all six: printf %z; echo $?";
    /// `printf` takes the length modifiers of C.
    printf_lengths: bool = [N, Y, N, Y, Y, N, Y], "observed in all six: printf %ld 1";
    /// `printf` takes the digits before what is no digit.
    printf_partial_numbers: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: printf %d 1x";
    /// The letters of `test` with one operand.
    test_letters: &'static str = ["bcdefghLnprSstuwxz", "abcdefgGhkLnNoOprRsStuvwxz", "bcdefghkLnOGprSstuwxz", "bcdefghkLnOGprSstuwxz", "abcCdefgGhHkLnNoOpRrsStuvwxz", "abcdefgGhHkLnoOprsStuvwxz", "abcdefgGhkLnNOprsStuvwxz"], "observed in all six with each letter";
    /// `test` knows `==`.
    test_double_equals: bool = [N, Y, N, Y, Y, Y, Y], "observed in all six: [ a == a ]";
    /// `read` without a name is a mistake.
    read_needs_name: bool = [Y, N, Y, N, N, N, N], "observed in all six: read; echo $?";
    /// `getopts` makes OPTARG empty for an option without a value; otherwise it is unset.
    getopts_empties_value: bool = [N, N, Y, Y, N, N, N], "observed in all six: getopts a o -a; echo ${OPTARG-unset}";
    /// `! ! command` is allowed.
    repeated_negation: bool = [N, Y, N, N, Y, Y, N], "observed in all six: ! ! true; echo $?";
    /// `[:word:]` is a class of characters.
    word_class: bool = [N, Y, N, N, Y, Y, N], "observed in all six: case _ in [[:word:]]) echo yes; esac";
    /// How far it reaches that `>&` and `<&` have something other than the number of a descriptor behind them; nowhere: it is a file.
    copy_of_no_number: CopyOfNoNumber = [CopyOfNoNumber { standard_output: Some(Reach::Shell), no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: None, no_name: None, other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: Some(Reach::Shell), no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: None, no_name: Some(Reach::Shell), other_output: Some(Reach::Shell), input: Reach::Shell }, CopyOfNoNumber { standard_output: Some(Reach::Command), no_name: Some(Reach::Command), other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: Some(Reach::Command), no_name: Some(Reach::Command), other_output: Some(Reach::Command), input: Reach::Command }, CopyOfNoNumber { standard_output: None, no_name: None, other_output: None, input: Reach::Command }], "observed in all six: echo a >& f; echo a >&$unset; echo a 2>&f; read x <&f; echo after";
    /// Files are opened as soon as the word of their redirection has been expanded, rather than when all have been.
    redirections_open_at_once: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: : >f1 >f2$(echo f*); echo f*";
    /// A redirection without a command runs the program that NULLCMD or READNULLCMD names.
    lone_redirection_runs: bool = [N, N, N, N, N, N, Y], "observed in all six: >f; echo $?; <f; NULLCMD=label; >f";
    /// The status after a here-document that cannot be read, where the shell finds that out when it expands it.
    unreadable_document_status: Option<Status> = [None, Some(1), None, None, Some(3), Some(1), None], "observed in all six: cat <<E with ${v-\"}";
    /// The middle of `a?b:c` may be an assignment.
    assigns_in_choice: bool = [Y, Y, Y, N, Y, Y, N], "observed in all six: echo $((1?x=2:3))";
    /// The status of `let` without an expression.
    let_nothing_status: Status = [1, 1, 1, 2, 2, 1, 1], "observed in all six: let; echo $?";
    /// `local` takes options.
    local_options_letters: bool = [N, Y, N, N, N, Y, Y], "observed in all six: f() { local -r x=1; }; f";
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
    /// A slash behind `${x//` belongs to the pattern.
    slash_begins_pattern: bool = [N, Y, N, Y, N, N, N], "observed in all six: x=a/b; echo ${x////-}";
    /// An expansion behind a tilde gives the name of the user.
    tilde_reads_expansions: bool = [N, N, N, N, Y, N, N], "observed in all six: x=root; echo ~$x ~'/a'";
    /// What becomes of a slash at the end of HOME.
    home_slash: HomeSlash = [HomeSlash::Stays, HomeSlash::Stays, HomeSlash::Stays, HomeSlash::Stays, HomeSlash::RootVanishes, HomeSlash::Vanishes, HomeSlash::Stays], "observed in all six: HOME=/h/; echo ~/x; HOME=/; echo ~/x";
    /// A function that is written with parentheses shares its variables and the assignments before its call with the shell.
    plain_functions_share: bool = [N, N, N, N, Y, N, N], "observed in all six: f() { typeset x=2; }; y=1 f; echo $x $y";
    /// When `$0` is the name of the function.
    function_zero: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Keyword, WhichFunctions::Always], "observed in all six: function f { echo $0; }; f";
    /// `function f()` takes its parentheses.
    keyword_takes_parentheses: bool = [N, Y, N, Y, N, Y, Y], "observed in all six: function f() { :; }";
    /// What the numbers of `test` are.
    test_numbers: TestNumbers = [TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Trimmed(" \t\n\x0b\x0c\r"), TestNumbers::Expressions, TestNumbers::Expressions, TestNumbers::Leading], "observed in all six: x=3; [ x -eq 3 ]; [ 1 -eq '1 ' ]; [ '' -eq 0 ]";
    /// A `case` may be written in braces.
    case_in_braces: bool = [N, N, N, N, Y, Y, Y], "observed in all six: case a { a) echo yes;; }";
    /// Signs behind `${` that make commands of it, or a mistake which is found late.
    late_starts: &'static [u8] = [b"", b"", b"", b"", b"(&|;", b"", b""], "observed in all six: echo ${(echo a)} ${((1+1))}; echo a; echo ${(k)x}; echo ${;}";
    /// `${a[]}` is `${a}`; otherwise it is no expansion.
    empty_index_is_none: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: a=(1 2); echo ${a[]}";
    /// What makes an expansion a bad one hides nothing, not even as a quote or as its end.
    bad_sign_is_passed_over: bool = [N, N, Y, Y, N, N, N], "observed in all six: echo a; echo ${'x'} ${x:}";
    /// The offset of a slice of an array is an index, also where elements are missing.
    slices_go_by_index: bool = [N, Y, N, N, Y, N, N], "observed in bash, ksh93 and mksh: a[3]=q; a[8]=r; echo ${a[@]:4:1}";
    /// The key of an element that is assigned must not be empty.
    empty_key_is_mistake: bool = [N, Y, N, N, N, N, N], "observed in bash, ksh93, mksh and zsh: typeset -A h; h[$nosuch]=1; echo after";
    /// Slices of associative arrays count the elements from 1; 0 means the first one too.
    keyed_slices_count_from_one: bool = [N, Y, N, N, N, N, N], "observed in bash and ksh93: declare -A h=([a]=1 [b]=2); echo ${h[@]:1:1} ${h[@]:2}";
    /// What becomes of attributes when a list is assigned.
    list_attributes: ListAttributes = [ListAttributes::Kept, ListAttributes::Kept, ListAttributes::Kept, ListAttributes::Kept, ListAttributes::LostUnlessBare, ListAttributes::Lost, ListAttributes::None], "observed in bash, ksh93, mksh and zsh: typeset -i a; a=(1+1); echo ${a[0]}; typeset -ua b; b=(x)";
    /// An attribute changes all elements that an array has already.
    attributes_change_elements: bool = [N, N, N, N, Y, Y, N], "observed in bash, ksh93, mksh and zsh: a=(x y); typeset -u a; echo ${a[@]}";
    /// `typeset -a` makes the value that a variable has its first element; otherwise the value is lost.
    texts_become_elements: bool = [Y, Y, Y, Y, Y, Y, N], "observed in bash, ksh93, mksh and zsh: x=5; typeset -a x; echo ${x[@]}";
    /// `test -v` is true of an array without elements.
    empty_arrays_are_set: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=(); [[ -v a ]]; echo $?";
    /// The length of a substring is looked at only when the offset lies in the text.
    length_is_late: bool = [N, Y, N, N, N, N, N], "observed in all six: x=abc; echo ${x:9:i++} $i";
    /// An index that expands to nothing is a mistake.
    empty_index_is_mistake: bool = [N, N, N, N, N, N, Y], "observed in bash, ksh93, mksh and zsh: a=(1 2); i=; echo ${a[$i]}";
    /// What may follow the brace of `${` to carry out commands here: a blank, or a bar for the value of REPLY.
    command_braces: &'static str = ["", "", "", "", " <>", " |", ""], "observed in all six: echo ${ echo a; } ${|REPLY=b;}";
    /// A backslash in an unquoted value escapes the next character of a pattern of `case` and `${x#p}`.
    value_backslash_escapes_in_text: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: x='\\l'; case l in $x) echo yes; esac";
    /// An opening bracket that nothing closes keeps a field from being a pattern.
    open_bracket_spoils: bool = [N, N, N, N, Y, N, N], "observed in all six: echo [* beside a file [q]";
    /// Groups such as `@(a|b)` count in a value that is a pattern of `case` or `${x#p}`.
    groups_in_text_values: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: x='@(a)'; case a in $x) echo yes; esac; y=aa; echo ${y#$x}";
    /// Groups such as `@(a|b)` count in a pathname pattern that comes from a value.
    groups_in_values: bool = [N, Y, N, N, N, N, N], "observed in all six: x='@(lid|Lid)'; echo $x";
    /// In brackets of a pattern characters of several bytes count.
    wide_brackets: bool = [Y, Y, N, N, Y, N, Y], "observed in all six: case ä in [ä]) echo yes; esac";
    /// What in the expression of `=~` quotes.
    regular_quotes: RegularQuotes = [RegularQuotes::All, RegularQuotes::OutsideBrackets, RegularQuotes::All, RegularQuotes::All, RegularQuotes::Backslashes, RegularQuotes::All, RegularQuotes::Nothing], "observed in all six: [[ abc =~ \"a.c\" ]]; [[ abc =~ a\\.c ]]; [[ b =~ [a\"-\"c] ]]";
    /// `[[` knows `=~`.
    regular_expressions: bool = [N, Y, N, N, Y, N, Y], "observed in all six: [[ a =~ a ]]";
    /// Bytes that get a backslash at the start of a parameter in `\"$*\"`, behind the first one, where IFS
    /// is empty and pathnames are matched.
    unjoined_star_escapes: &'static str = ["", "", "", "", "[]*?()|&}", "", ""], "observed in ksh93, with each byte of ASCII: set -- a '[q]' '*'; IFS=; printf '<%s>' \"$*\" x\"$*\" \"${*%z}\"; x=\"$*\"";
    /// What joins unquoted `$@` counts as white space at the start of a word.
    list_joiner_is_soft: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=:; set -- '' a; echo $@";
    /// White space of IFS at the start of an expansion belongs to no separator behind it.
    leading_blank_stands_alone: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=' :'; x=' :a'; printf '[%s]' x$x";
    /// `[index]=value` in `name=(...)` sets that index only if it comes first.
    indexes_come_first: bool = [N, N, N, N, Y, N, N], "observed in all six: a=(x [5]=y)";
    /// Brackets behind a name in a word of a declaration utility are part of the word, whatever they hold.
    declared_brackets: bool = [N, N, N, N, Y, Y, N], "observed in all six: export a[1 + 1]=x; echo ${a[2]}";
    /// What brackets behind a name at the start of a command are.
    command_brackets: CommandBrackets = [CommandBrackets::Text, CommandBrackets::Word, CommandBrackets::Text, CommandBrackets::Text, CommandBrackets::Word, CommandBrackets::Raw, CommandBrackets::Text], "observed in all six: a[1 2] x; a[x; label after; a['x]y']; a[$(label in)]";
    /// The index of an assignment and of an element of a list may hold blanks.
    indexes_hold_blanks: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: a=([1 + 1]=x); a[1 + 1]=x; typeset -A m=([b c]=x)";
    /// What the elements of an associative array's list may be.
    associative_lists: AssociativeLists = [AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Anything, AssociativeLists::Indexed, AssociativeLists::Anything, AssociativeLists::PairsOrIndexed], "observed in all six: typeset -A m; m=(a 1 b); m=([a]=1 b 2); m=(a 1)";
    /// Blanks between brackets at the start of an element do not end it.
    brackets_hold_blanks: bool = [N, Y, N, N, Y, N, N], "observed in all six: a=([ x ] y)";
    /// Single quotes in an expression hide what would close it.
    arithmetic_hides_in_quotes: bool = [N, Y, N, N, Y, Y, N], "observed in all six: echo $((1')'))";
    /// A backslash in an expression hides a parenthesis.
    arithmetic_backslashes_hide: bool = [N, Y, N, N, Y, Y, Y], "observed in all six: echo $((1 \\) ))";
    /// Between single quotes in the index of an element nothing counts.
    keys_hide_in_quotes: bool = [N, Y, N, N, Y, N, N], "observed in all six: a['`']=x";
    /// An index that is given as a text to `unset`, `read` and their kin is expanded.
    index_texts_expand: bool = [N, Y, N, N, N, Y, Y], "observed in all six: i=1; unset 'a[$i]'";
    /// Utilities that are no declarations, and that take `name=(...)` as a text.
    list_text_utilities: &'static [&'static str] = [&[], &["eval", "let"], &[], &[], &[], &[], &[]], "observed in all six: eval x=(1 2); let x=(1+1)";
    /// An index in a text ends at the first bracket that closes; behind it there is nothing.
    index_ends_at_bracket: bool = [N, Y, N, N, N, N, N], "observed in all six: k='a]b'; unset \"d[$k]\"";
    /// A list whose elements have indexes makes an associative array of a name that is no array yet.
    indexed_lists_are_associative: bool = [N, N, N, N, Y, N, N], "observed in all six: a=([ab]=1 [cd]=2); echo ${!a[@]}";
    /// Elements of a list can be put behind what is there: `a=([1]+=x)`.
    elements_append: bool = [N, Y, N, N, N, N, Y], "observed in all six: a=(1 2); a+=([1]+=x)";
    /// After an element with an index every element needs one.
    indexes_all_or_none: bool = [N, N, N, N, Y, N, N], "observed in all six: a=([0]=x y)";
    /// `declare -c` keeps a value with one capital at its start.
    capital_attribute: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -c x=ab; echo $x";
    /// `declare -a a='(1 2)'` reads the text as a list.
    list_texts: ListTexts = [ListTexts::Texts, ListTexts::Lists, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Texts, ListTexts::Mistakes], "observed in all six: v='(1 2)'; typeset -a a=\"$v\"";
    /// Single quotes around the key of an associative array in arithmetic vanish.
    arithmetic_keys_drop_quotes: bool = [N, Y, N, N, N, N, N], "observed in all six: $((a['k']))";
    /// A list that is joined with an empty IFS and is empty then counts as empty.
    joined_empty_is_none: bool = [N, Y, N, N, N, Y, N], "observed in all six: IFS=; set -- '' ''; echo \"${*:-x}\"";
    /// `unset 'x[0]'` takes a variable away that is no array.
    unset_first_element_of_text: bool = [N, Y, N, N, Y, Y, N], "observed in all six: x=a; unset 'x[0]'; echo ${x-unset}";
    /// `[index]=value` in `name=(...)` sets that index.
    element_indexes: bool = [N, Y, N, N, Y, N, Y], "observed in all six: a=([3]=x)";
    /// There are associative arrays.
    associative_arrays: bool = [N, Y, N, N, Y, N, Y], "observed in all six: typeset -A m; m[k]=v; m[j]=w; echo ${m[k]}";
    /// A negative index counts from the end.
    negative_indexes: bool = [Y, Y, Y, Y, Y, N, Y], "observed in all six: a=(x y); echo ${a[-1]}";
    /// `name=(...)` stands alone in its command.
    arrays_stand_alone: bool = [N, N, N, N, N, Y, N], "observed in all six: a=(x y) echo a; readonly a=(x)";
    /// How `${x@Q}`, `alias` and, in some shells, `printf %q` quote.
    requoting: Requoting = [Requoting::Always, Requoting::Always, Requoting::DoubleQuotes, Requoting::DoubleQuotes, Requoting::DollarQuotes, Requoting::Pieces, Requoting::Pieces], "observed in all six: alias x=a y=\"it's\"; alias x y; in bash and mksh: echo ${x@Q}";
    /// Punctuation that needs no quotes where they are put only if needed; `=` needs them at the start.
    requoting_leaves: &'static str = ["", "", "", "", "_./,:=@%+-^!", "_./,:@%+-^!", "_./,:@%+-!"], "observed in ksh93, mksh, zsh: alias x=... with each byte of ASCII, behind and before a letter";
    /// What is behind the letter of a transformation is passed over; otherwise it makes a bad one.
    transformation_rest_is_lost: bool = [N, N, N, N, N, Y, N], "observed in bash and mksh: echo ${x@Qy}";
    /// The letters of `${x@letter}`.
    transformation_letters: &'static str = ["", "QUuLEaAKkP", "", "", "", "Q#", ""], "observed in all six with each letter";
    /// Unquoted parameter expansions are split at IFS and form patterns.
    splits_parameters: bool = [Y, Y, Y, Y, Y, Y, N], "observed in all six: x='a *'; echo $x";
    /// What a brace expansion sees in fields: what the author wrote, or values too.
    braces_in_values: bool = [N, N, N, N, Y, Y, N], "observed in all six: x={a,b}; echo $x";
    /// `$x[1]` is an element without braces, and `$#x` a length.
    unbraced_operations: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a[1] $#a";
    /// `$a` of an array is all its elements.
    array_is_list: bool = [N, N, N, N, N, N, Y], "observed in all six: a=(x y); echo $a";
    /// All of a text that is not a file is read before its first command is carried out.
    reads_whole: ReadsWhole = [ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::Nothing, ReadsWhole::InnerTexts, ReadsWhole::Nothing, ReadsWhole::ButFiles], "observed in all six with -c, eval and .: label a, newline, fi";
    /// The letter of `set` that switches pathname expansion off.
    glob_letter: u8 = [b'f', b'f', b'f', b'f', b'f', b'f', b'F'], "observed in all six: set -f; echo *";
    /// `set -` takes the positional parameters away.
    set_dash_clears: bool = [N, N, N, N, N, N, Y], "observed in all six: set -; echo $#";
    /// A lone dash ends the options of `echo`.
    echo_takes_dash: bool = [N, N, N, N, N, N, Y], "observed in all six: echo - a";
    /// `getopts` leaves OPTIND at a word until it comes back for the next one, and does not touch the variable at the end.
    getopts_is_late: bool = [N, N, N, N, N, N, Y], "observed in all six: getopts a o -a; echo $OPTIND";
    /// `set -A name --` keeps the dashes.
    set_array_keeps_dashes: bool = [N, N, N, N, N, N, Y], "observed in all six: set -A x -- a; echo ${x[1]}";
    /// A closing brace ends a command wherever it stands, and an opening one needs no blank.
    braces_are_tokens: bool = [N, N, N, N, N, N, Y], "observed in all six: {echo a}";
    /// A tilde with a user who does not exist, and `=name` of a program that does not, are errors.
    unknown_user_is_error: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ~nosuch; echo =nosuch";
    /// Wrong digits or a misplaced range keep a loop with short forms: `for x (a b) command`.
    short_loops: bool = [N, N, N, N, N, N, Y], "observed in all six: for x in a b; echo $x";
    /// An opening brace that nothing closes keeps a whole field as it is.
    open_brace_spoils: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo {{a,b}";
    /// A tilde is expanded in the finished field, whatever made it.
    tilde_in_fields: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ''~ {~,a} =nosuch";
    /// Parentheses are groups of a pattern without a sign before them.
    bare_groups: bool = [N, N, N, N, N, N, Y], "observed in all six: echo (l|L)id";
    /// `**/` matches any number of folders without being switched on.
    double_star: bool = [N, N, N, N, N, N, Y], "observed in all six: echo **/*.txt";
    /// A bracket in a pattern that nothing closes is an error.
    open_bracket_is_error: bool = [N, N, N, N, N, N, Y], "observed in all six: echo [a-";
    /// What quoted `$*` gives to an operation: its parameters, or what they joined make.
    star_joins_first: bool = [N, N, N, N, N, N, Y], "observed in all six: echo \"${*%y}\"";
    /// A declaration without a value makes the variable empty.
    declaration_makes_empty: bool = [N, N, N, N, N, N, Y], "observed in all six: declare y; echo ${y-unset}";
    /// What becomes of escaped characters where `read` ends a line and its last field.
    read_escaped_ends: EscapedEnds = [EscapedEnds::Kept, EscapedEnds::LostBehindOthers, EscapedEnds::PassedOver, EscapedEnds::Forgotten, EscapedEnds::Lost, EscapedEnds::OneIsLost, EscapedEnds::Lost], "observed in all six: read x y with 'a b \\ ', 'a b\\ ', 'a b c\\ ', 'a b \\c', and IFS=: with 'a:b:\\:'";
    /// `read` keeps a separator at the end of the last field.
    read_keeps_last_separator: bool = [N, N, N, N, N, N, Y], "observed in all six: IFS=:; read x <<< a:";
    /// The numbers of `printf` are arithmetic expressions.
    printf_evaluates: bool = [N, N, N, N, Y, N, Y], "observed in all six: printf %d abc; echo $?";
    /// What a NUL in the output of a command substitution does.
    substitution_nul: Nul = [Nul::Vanishes, Nul::Vanishes, Nul::Vanishes, Nul::Vanishes, Nul::EndsText, Nul::Vanishes, Nul::Stays], "observed in all six: echo $(printf 'a\\0b')";
    /// `typeset -i16` shows digits as capitals.
    capital_digits: bool = [N, N, N, N, N, N, Y], "observed in all six: typeset -i16 n=255; echo $n";
    /// In which order the keys of an associative array are listed.
    key_order: KeyOrder = [KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Buckets, KeyOrder::Sorted, KeyOrder::Buckets, KeyOrder::GrowingBuckets], "observed with many keys: typeset -A m; echo ${!m[@]}";
    /// A negative length of a slice of a list is an error.
    negative_list_length_is_error: bool = [Y, Y, N, N, N, N, N], "observed in all six: echo ${@:1:-1}";
    /// An unknown option of `typeset` and its kin ends the shell.
    typeset_option_is_fatal: bool = [Y, N, Y, Y, Y, N, N], "observed in all six: typeset -Q x; echo after";
    /// An unknown option of `export` ends the shell.
    export_option_is_fatal: bool = [Y, N, Y, Y, Y, Y, N], "observed in all six: export -Q x; echo after";
    /// `command` carries out programs only.
    command_is_for_programs: bool = [N, N, N, N, N, N, Y], "observed in all six: command command echo a";
    /// `time -p` is one reserved word with its option.
    time_takes_option: bool = [N, Y, N, N, N, Y, N], "observed in all six: time -p echo a";
    /// How `%q` of `printf` quotes.
    printf_quoting: PrintfQuoting = [PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Backslashes, PrintfQuoting::Quotes, PrintfQuoting::Backslashes, PrintfQuoting::BackslashesAlways], "observed: printf '%q' 'a b'";
    /// The widths of `printf` count characters.
    printf_counts_characters: bool = [N, N, N, N, N, N, Y], "observed with LANG=C.UTF-8: printf '%5s' with a two-byte letter";
    /// `name=()` makes a compound variable, which shows as `(`, a newline and `)`.
    empty_array_is_compound: bool = [N, N, N, N, Y, N, N], "observed in ksh93: a=(); echo \"${a[@]}\"";
    /// `unset` of a variable of the function that called this one shows the one that it hides.
    unset_reveals_callers: bool = [N, Y, N, N, N, Y, N], "observed in all six: g() { unset x; echo $x; }; f() { local x=2; g; }; x=1; f";
    /// `local x` keeps the value of x that was assigned before the call.
    local_keeps_temporary: bool = [N, Y, N, N, N, Y, N], "observed in all six: f() { local x; echo $x; }; x=12 f";
    /// A declaration utility declares the variable that was assigned before it.
    declarations_take_temporary: bool = [N, Y, N, N, Y, N, N], "observed in all six: z=y typeset z; echo $z";
    /// `declare -g` means the variable outside of all functions.
    global_is_outermost: bool = [N, Y, N, N, N, N, N], "observed in all six: g() { typeset -g v=1; }; f() { typeset v; g; echo $v; }; f";
    /// Declaration utilities take `name+=value`.
    declarations_append: bool = [N, Y, N, N, N, Y, N], "observed in all six: a=1; export a+=4";
    /// `${x:=word}` gives what x keeps of the word.
    default_gives_stored: bool = [N, Y, N, N, N, N, N], "observed in all six: typeset -i a; echo ${a:=4+3}";
    /// `${x[@]:1:2}` of a text is a part of the text.
    lists_of_texts_are_cut: bool = [N, Y, N, N, N, N, Y], "observed in all six: f=abcd; echo ${f[@]:0:1}";
    /// An offset may hold `?` and `:`.
    offset_takes_condition: bool = [N, Y, N, N, N, N, N], "observed in all six: P=abc; echo ${P:1 ? 1 : 2}";
    /// `unset` of a local variable shows the one that it hides.
    unset_reveals: bool = [N, N, N, N, N, Y, N], "observed in all six: x=1; f() { local x=2; unset x; echo $x; }; f";
    /// What `\c` does in the text of `echo`.
    echo_end: EchoEnd = [EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::Stops, EchoEnd::StopsBehindBlank, EchoEnd::DropsNewline, EchoEnd::Stops], "observed in all six: echo -e 'a\\cb' c";
    /// A tilde is expanded in a here-string.
    here_string_tilde: bool = [N, Y, N, N, Y, N, Y], "observed in all six: read x <<< ~; echo $x";
    /// The option letters of `export` and `readonly`.
    export_letters: &'static str = ["p", "aAfnp", "p", "np", "p", "p", "aAfE.F.gHhi.klL.mpR.tTUuZ."], "observed in all six: export -n x=1";
    /// What `unset` without a name does.
    unset_nothing: Outside = [Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Allowed, Outside::Fatal, Outside::Allowed, Outside::Fails], "observed in all six: unset; echo $?";
    /// An offset of `${x:offset}` may begin with a parenthesis.
    offset_takes_parenthesis: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: x=abc; echo ${x:(-1)}";
    /// A tilde is expanded at the start of the pattern of `${x##p}` and `${x%%p}`.
    tilde_in_longest: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: x='~a'; echo ${x##~}";
    /// A tilde is expanded at the start of the pattern of `${x/p/r}`.
    tilde_in_replaced: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: x=~; echo ${x/~/T}";
    /// An empty pattern matches before each character in `${x//p/r}`, and at the start in `${x/p/r}`.
    empty_pattern_matches: bool = [N, N, N, N, N, N, Y], "observed in all six: x=abc; echo ${x////-} ${x/\"\"/r}";
    /// An empty pattern of `${x/p/r}` matches an empty value.
    empty_pattern_matches_empty: bool = [N, N, N, N, Y, N, Y], "observed in all six: x=; echo ${x/\"\"/r} ${x//\"\"/r}";
    /// A slash inside an expansion ends the pattern of `${x/p/r}`, which is then no expansion.
    slash_cuts_expansions: bool = [N, N, N, N, N, N, Y], "observed in all six: echo ${x/${y/a/b}/r} ${x/$(echo /)/r}; echo after";
    /// A trap on EXIT that a function sets is carried out when that returns.
    exit_trap_is_local: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Never, WhichFunctions::Always], "observed in all six: f() { trap 'echo x' EXIT; }; f; echo y";
    /// `test` knows `<` and `>`.
    test_orders: bool = [N, Y, Y, Y, Y, Y, N], "observed in all six: [ a \\< b ]";
    /// `command |&` is carried out in the background.
    coprocess_operator: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo a |& echo b";
    /// Each parameter of an unquoted `$@` is split for itself.
    parameters_split_apart: bool = [N, N, N, N, Y, N, Y], "observed in all six: IFS=:; set -- a : b; echo $@";
    /// A tilde at the start of any field is expanded, where splitting began that.
    tilde_in_later_fields: bool = [N, N, N, N, N, Y, N], "observed in mksh: x='a '; echo $x~";
    /// Letters beyond ASCII belong to names.
    wide_names: bool = [N, N, N, N, Y, N, Y], "observed with LANG=C.UTF-8: echo $x with a two-byte letter behind it";
    /// Quotes before an unquoted `${x-word}` keep an argument behind a separator at the end of that word.
    quotes_keep_later_words: bool = [N, N, N, N, Y, N, N], "observed in all six: printf '[%s]' 'a'${x- }";
    /// Empty quotes in the word of an unquoted `${x:-...}` keep an argument.
    quotes_in_words_count: bool = [Y, Y, Y, Y, N, Y, Y], "observed in all six: printf '[%s]' ${x:-\"\"}";
    /// `${x-...}` and its kin make empty quotes before them count for nothing.
    operations_drop_empty_quotes: bool = [N, N, N, N, N, Y, N], "observed in mksh: printf '[%s]' ''${x-}";
    /// What a backslash at the very end of a text does.
    last_backslash: LastBackslash = [LastBackslash::Stays, LastBackslash::Stays, LastBackslash::Stays, LastBackslash::Stays, LastBackslash::VanishesBehindText, LastBackslash::Vanishes, LastBackslash::Quotes], "observed in all six: eval 'echo \\'; eval 'echo a\\'";
    /// In backquotes of a here-document a backslash before a double quote vanishes.
    document_backquotes_drop_backslash: bool = [Y, N, Y, Y, Y, N, N], "observed in all six: read x <<E with `echo \\\"q\\\"`";
    /// What IFS is at the start.
    first_ifs: &'static [u8] = [b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n", b" \t\n\0"], "observed in all six: printf '%s' \"$IFS\"";
    /// A separator at the end of an expansion makes an empty field behind it.
    last_separator_makes_field: bool = [N, N, N, N, N, N, Y], "observed in zsh: IFS=:; x=a:; printf '[%s]' $=x";
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
    /// `${x?}` ends the shell as `exit` does: the action for EXIT is carried out.
    unset_message_exits: bool = [N, N, N, N, N, N, Y], "observed in all six: trap 'echo bye' EXIT; : ${x?}; and eval ': ${x?}'; echo after";
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
    /// A backslash at the end of a pattern matches a backslash.
    last_backslash_matches: bool = [Y, Y, Y, N, Y, Y, Y], "observed in all six: y='\\'; case '\\' in $y) echo yes; esac";
    /// A removal from the elements of an array under an empty IFS leaves the shell's own marks.
    array_removals_leave_marks: bool = [N, Y, N, N, N, N, N], "observed in bash: IFS=; a=('b c'); printf '%s' ${a[@]#x}";
    /// A character between single quotes in an arithmetic expression is its code.
    arithmetic_characters: bool = [N, N, N, N, Y, Y, N], "observed in all six: echo $(('a'))";
    /// The options of `alias`.
    alias_letters: &'static str = ["", "p", "", "", "ptx", "dprtUx", "gmrsL"], "observed in all six: alias -g v=a; echo $?; alias v";
    /// `alias` says in its output that a name is no alias.
    alias_tells_absence: bool = [N, N, N, N, N, Y, N], "observed in all six: x=$(alias nosuch)";
    /// `alias` takes `name=value` as declaration utilities do.
    aliases_are_declared: bool = [N, Y, Y, Y, N, N, N], "observed in all six: x='a b'; alias v=$x w=~; alias v w";
    /// Tildes behind the equals sign and the colons of what `alias` is given are expanded.
    alias_values_have_tildes: bool = [N, N, N, N, N, N, Y], "observed in all six: alias v=a:~; alias v";
    /// An unquoted `$*` in `name=value` behind a declaration utility is joined with spaces when IFS is empty.
    declared_star_has_spaces: bool = [N, Y, N, N, N, N, N], "observed in all six: IFS=; set -- a b; export v=$* w=${*#a}; echo $v";
    /// `set -f` keeps braces from being expanded too.
    no_glob_keeps_braces: bool = [N, N, N, N, N, Y, N], "observed in all six: set -f; echo {a,b}";
    /// `${@?}` and `${@=x}` are mistakes, whatever there is.
    lists_demand_nothing: bool = [N, N, N, N, N, Y, N], "observed in all six: set -- a; echo ${@?} ${*=x} ${a[@]?}";
    /// What a part is taken of under `set -u`, although it is not set.
    sliced_unset: SlicedUnset = [SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Nothing, SlicedUnset::Parameters, SlicedUnset::All, SlicedUnset::Nothing], "observed in all six: set -u; echo ${1:0} ${a:1} ${a/x/y}";
    /// `${#a[5]}` is 0 under `set -u` where other elements are set.
    missing_element_has_length: bool = [N, Y, N, N, Y, N, N], "observed in all six: set -u; a=(1); echo ${#a[5]}";
    /// A variable that is not set ends the shell under `set -u` in `((`, `let` and `[[` too.
    unset_goes_through: bool = [N, Y, N, N, N, N, N], "observed in all six: set -u; ((q)); let q; [[ q -eq 0 ]]; echo after";
    /// In an assignment most lists are joined with IFS although `$@` itself is not.
    assigned_lists_use_ifs: bool = [N, Y, N, N, N, N, N], "observed in bash: IFS=:; set -- a ''; x=\"${@:1}\"; y=\"$@\"; z=${@#b}";
    /// The functions in which a mistake ends only the function.
    functions_hold_mistakes: WhichFunctions = [WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Never, WhichFunctions::Keyword, WhichFunctions::Always, WhichFunctions::Never], "observed in all six: f() { shift 9; echo b; }; f; echo after $?; and with function f { ... }";
    /// The status of a command whose name is empty.
    empty_name_status: Status = [127, 127, 127, 127, 126, 126, 126], "observed in all six: ''; echo $?";
    /// Letters behind a backslash in the value that is a pattern of `case` or `${x#p}` are classes, places and
    /// control characters.
    pattern_letters: bool = [N, N, N, N, Y, N, N], "observed in all six: p='\\d'; case 5 in $p) echo yes; esac, for every letter";
    /// A backslash in a value escapes only what is special in patterns.
    value_backslash_needs_special: bool = [N, N, N, N, N, N, Y], "observed in zsh: x='l\\i*'; case lid in ${~x}) echo yes; esac";
    /// `break` outside a loop does not look at its operand.
    break_looks_for_loops_first: bool = [N, Y, N, N, N, N, N], "observed in all six: f() { break x; echo b; }; f";
    /// A brace behind a backslash opens a pair all the same if another opens one behind it.
    escaped_opener_counts: bool = [N, N, N, N, Y, N, N], "observed in ksh93: echo \\{a,b}{c,d}";
    /// `-` before a command puts a `-` before its name, as a login shell has it.
    dash_marks_login: bool = [N, N, N, N, N, N, Y], "observed in zsh: x=-; $x echo; $x";
    /// A separator at the start of what a command prints makes no empty field.
    output_begins_behind_separator: bool = [N, N, N, N, N, Y, N], "observed in mksh: IFS=:; printf '[%s]' $(echo :a)";
}
