//! The runtimes, a row each.
//!
//! What they do with their command lines was observed in Python 3.11, Perl 5.36, Node 20, PHP 8.2,
//! Ruby 3.1, gawk 5.2, mawk 1.3.4, Tcl 8.6, Lua 5.4, OpenJDK 17, Go 1.19, Rust 1.95, glibc 2.36 and the
//! shells of Debian 12: see `fizzet-truth/receive`.

use crate::receive::decode::Decode;
use crate::receive::read::{Absent, Access};
use crate::receive::runtime::Does::*;
use crate::receive::runtime::Takes::*;
use crate::receive::runtime::{
    Dash, Does, Flag, Grammar, Head, Name, Runtime, Shape, Takes, Unknown,
};

const fn flag(name: &'static str, takes: Takes, does: Does) -> Flag {
    Flag { name, takes, does }
}

/// What most interpreters do.
const USUAL: Grammar = Grammar {
    shape: Shape::Letters,
    plain: "",
    flags: &[],
    names: &[],
    long_first: false,
    unknown: Unknown::Refused,
    refuses: Some(2),
    missing: 2,
    dash: Dash::Input,
    text_ends: false,
    program_behind_dashes: true,
    text_is_operand: false,
    without: None,
    empty_is_input: false,
    abbreviates: false,
    text_name: Name::Fixed("-e"),
    input_name: Name::Fixed("-"),
    file_name: Name::Given,
    endings: &[],
    keeps_all_without_file: false,
};

/// What shells do.
const SHELL: Grammar = Grammar {
    shape: Shape::SignedLetters,
    dash: Dash::Ends,
    missing: 127,
    text_name: Name::Interpreter,
    input_name: Name::Interpreter,
    ..USUAL
};

/// The names that `set -o` of dash knows.
const DASH_NAMES: &str = "errexit noglob ignoreeof interactive monitor noexec stdin xtrace verbose vi emacs noclobber \
    allexport notify nounset privileged nolog debug";

/// The names that `set -o` of busybox sh knows.
const BUSYBOX_NAMES: &str = "errexit noglob ignoreeof monitor noexec xtrace verbose noclobber allexport notify nounset \
    errtrace vi pipefail";

/// The names that `set -o` of bash knows.
const BASH_NAMES: &str = "allexport braceexpand emacs errexit errtrace functrace hashall histexpand history ignoreeof \
    interactive-comments keyword monitor noclobber noexec noglob nolog notify nounset onecmd \
    physical pipefail posix privileged verbose vi xtrace";

/// The names that `shopt` of bash knows.
const BASH_SHOPT_NAMES: &str = "autocd assoc_expand_once cdable_vars cdspell checkhash checkjobs checkwinsize cmdhist compat31 \
    compat32 compat40 compat41 compat42 compat43 compat44 complete_fullquote direxpand dirspell \
    dotglob execfail expand_aliases extdebug extglob extquote failglob force_fignore \
    globasciiranges globskipdots globstar gnu_errfmt histappend histreedit histverify hostcomplete \
    huponexit inherit_errexit interactive_comments lastpipe lithist localvar_inherit localvar_unset \
    login_shell mailwarn no_empty_cmd_completion nocaseglob nocasematch noexpand_translation \
    nullglob patsub_replacement progcomp progcomp_alias promptvars restricted_shell shift_verbose \
    sourcepath varredir_close xpg_echo";

/// The names that `set -o` of ksh93 knows.
const KSH_NAMES: &str = "allexport backslashctrl bgnice braceexpand clobber emacs errexit exec functrace glob \
    globcasedetect globstar gmacs histexpand histreedit histverify ignoreeof interactive keyword \
    letoctal log login_shell markdirs monitor multiline noclobber noexec noglob nolog notify \
    nounset pipefail posix privileged rc restricted showme trackall unset verbose vi viraw xtrace";

/// The names that `set -o` of mksh knows.
const MKSH_NAMES: &str = "allexport interactive nolog stdin asis keyword notify trackall bgnice login nounset utf8-mode \
    braceexpand markdirs physical verbose emacs monitor pipefail vi errexit noclobber posix vi- \
    esccomplete gmacs noexec privileged vi-tabcomplete ignoreeof noglob restricted viraw inherit- \
    xtrace nohup sh xtrace";

const DASH: Grammar = Grammar {
    plain: "aefIimnxvVEbulCq",
    flags: &[
        flag("c", Nothing, TextOperand),
        flag("s", Nothing, Input),
        flag("o", NextIfAny, OneOf(DASH_NAMES)),
        flag("--", Nothing, Ends),
    ],
    missing: 2,
    ..SHELL
};

const NONE: Runtime = Runtime {
    name: "",
    title: "",
    programs: &[],
    sample: &[],
    grammar: None,
    heads: &[Head::Program("$0"), Head::Count("$#", 0)],
    element: "${}",
    first: 1,
    null: false,
    decode: Decode::Bytes,
    access: Access { form: "\"${}\"", absent: Absent::Empty },
    remark: "",
};

const fn shell(
    name: &'static str,
    title: &'static str,
    programs: &'static [&'static str],
    sample: &'static [&'static str],
    grammar: Grammar,
) -> Runtime {
    Runtime { name, title, programs, sample, grammar: Some(grammar), remark: SHELL_REMARK, ..NONE }
}

const SHELL_REMARK: &str =
    "$0 is the script, no argument; $10 is $1 with a 0 behind it, ${10} the tenth argument.";

/// All of them, in the order in which they are told.
pub static RUNTIMES: &[Runtime] = &[
    shell("sh", "POSIX shell", &["sh"], &["sh", "press.sh"], DASH),
    shell("dash", "dash", &["dash"], &["dash", "press.sh"], DASH),
    shell(
        "bash",
        "bash",
        &["bash", "rbash"],
        &["bash", "press.sh"],
        Grammar {
            plain: "abefhkmnptuvxBCEHPTilrD",
            flags: &[
                flag("c", Nothing, TextOperand),
                flag("s", Nothing, Input),
                flag("o", NextIfAny, OneOf(BASH_NAMES)),
                flag("O", NextIfAny, OneOf(BASH_SHOPT_NAMES)),
                flag("--rcfile", Next, Sets),
                flag("--init-file", Next, Sets),
                flag("--help", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            names: &[
                "--debug\n--debugger\n--dump-po-strings\n--dump-strings\n--login\n--noediting\n--noprofile\n--norc\n--posix\n--pretty-print\n--protected\n--restricted\n--verbose\n--wordexp\n",
            ],
            long_first: true,
            ..SHELL
        },
    ),
    shell(
        "busybox",
        "busybox sh",
        &["ash"],
        &["busybox", "sh", "press.sh"],
        Grammar {
            flags: &[
                flag("c", Nothing, TextOperand),
                flag("s", Nothing, Input),
                flag("o", NextIfAny, OneOf(BUSYBOX_NAMES)),
                flag("--", Nothing, Ends),
            ],
            unknown: Unknown::Ignored,
            ..DASH
        },
    ),
    shell(
        "ksh93",
        "ksh93",
        &["ksh", "ksh93", "rksh93"],
        &["ksh93", "press.sh"],
        Grammar {
            plain: "abefhiklmnpruvxBCEGHP",
            flags: &[
                flag("c", Nothing, TextOperand),
                flag("s", Nothing, Input),
                flag("o", NextIfAny, OneOf(KSH_NAMES)),
                flag("A", Next, Sets),
                flag("--version", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("--man", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            names: &[
                "--allexport\n--braceexpand\n--emacs\n--errexit\n--globstar\n--ignoreeof\n--interactive\n--keyword\n--letoctal\n--login\n--markdirs\n--monitor\n--multiline\n--noclobber\n--noexec\n--noglob\n--nolog\n--nounset\n--notify\n--pipefail\n--posix\n--privileged\n--rc\n--restricted\n--showme\n--trackall\n--verbose\n--vi\n--viraw\n--xtrace\n",
            ],
            ..SHELL
        },
    ),
    shell(
        "mksh",
        "mksh",
        &["mksh", "rmksh", "lksh"],
        &["mksh", "press.sh"],
        Grammar {
            plain: "abefhiklmnpruvxCXUD",
            flags: &[
                flag("c", Nothing, TextOperand),
                flag("s", Nothing, Input),
                flag("o", Value, OneOf(MKSH_NAMES)),
                flag("T", Value, Sets),
                flag("--", Nothing, Ends),
            ],
            refuses: Some(1),
            ..SHELL
        },
    ),
    shell(
        "zsh",
        "zsh",
        &["zsh", "rzsh"],
        &["zsh", "press.sh"],
        Grammar {
            plain: "0123456789BCDEFGHIJKLMNOPQRSTUVWXYZadefghiklmnprtuvwxy",
            flags: &[
                flag("c", Nothing, TextOperand),
                flag("s", Nothing, Input),
                flag("o", Value, Sets),
                flag("b", Nothing, Ends),
                flag("--emulate", Next, Sets),
                flag("--version", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            names: &[include_str!("names/zsh.txt")],
            refuses: Some(1),
            ..SHELL
        },
    ),
    Runtime {
        name: "c",
        title: "C",
        sample: &["./press"],
        heads: &[Head::Count("argc", 1), Head::Program("argv[0]")],
        element: "argv[{}]",
        null: true,
        access: Access {
            form: "argv[{}]",
            absent: Absent::Pointer("a null pointer is read", "SIGSEGV"),
        },
        remark: "argc counts the program's name too; a null pointer stands behind the last argument.",
        ..NONE
    },
    Runtime {
        name: "c++",
        title: "C++",
        sample: &["./press"],
        heads: &[Head::Count("argc", 1), Head::Program("argv[0]")],
        element: "argv[{}]",
        null: true,
        access: Access {
            form: "argv[{}]",
            absent: Absent::Pointer(
                "std::logic_error: basic_string: construction from null is not valid",
                "SIGABRT",
            ),
        },
        remark: "argc counts the program's name too; a std::string made of the null pointer at its end is an error.",
        ..NONE
    },
    Runtime {
        name: "go",
        title: "Go",
        sample: &["./press"],
        heads: &[Head::Count("len(os.Args)", 1), Head::Program("os.Args[0]")],
        element: "os.Args[{}]",
        access: Access {
            form: "os.Args[{}]",
            absent: Absent::Fails(
                "panic",
                "runtime error: index out of range [{index}] with length {length}",
                2,
            ),
        },
        remark: "os.Args holds the program's name too; os.Args[1:] are the arguments, and flag.Args() what the flags left of them.",
        ..NONE
    },
    Runtime {
        name: "rust",
        title: "Rust",
        sample: &["./press"],
        heads: &[Head::Count("args_os().count()", 1), Head::Program("args_os().nth(0)")],
        element: "args_os().nth({})",
        decode: Decode::BytesOrPanic,
        access: Access {
            form: "args[{}]",
            absent: Absent::Fails(
                "panic",
                "index out of bounds: the len is {length} but the index is {index}",
                101,
            ),
        },
        remark: "The program's name comes first; std::env::args panics at an argument that is not UTF-8, args_os does not.",
        ..NONE
    },
    Runtime {
        name: "python",
        title: "Python",
        programs: &["python"],
        sample: &["python3", "press.py"],
        grammar: Some(Grammar {
            plain: "bBdEiIOPqRsStuvx",
            flags: &[
                flag("c", Value, Text),
                flag("m", Value, Module),
                flag("W", Value, Sets),
                flag("X", Value, Sets),
                flag("h", Nothing, Exits),
                flag("?", Nothing, Exits),
                flag("V", Nothing, Exits),
                flag("--check-hash-based-pycs", Next, Sets),
                flag("--help", Nothing, Exits),
                flag("--help-all", Nothing, Exits),
                flag("--help-env", Nothing, Exits),
                flag("--help-xoptions", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            text_ends: true,
            text_name: Name::Fixed("-c"),
            input_name: Name::Fixed(""),
            ..USUAL
        }),
        heads: &[Head::Count("len(sys.argv)", 1), Head::Program("sys.argv[0]")],
        element: "sys.argv[{}]",
        decode: Decode::Escapes,
        access: Access {
            form: "sys.argv[{}]",
            absent: Absent::Fails("IndexError", "list index out of range", 1),
        },
        remark: "sys.argv[0] is the script as it was given, -c, or the whole path of a module.",
        ..NONE
    },
    Runtime {
        name: "java",
        title: "Java",
        programs: &["java"],
        sample: &["java", "Press"],
        grammar: Some(Grammar {
            shape: Shape::Words,
            plain: "-jar -server -client -hotspot -Xint -ea -da -esa -dsa -enableassertions -disableassertions \
                    -enablesystemassertions -disablesystemassertions -showversion --show-version --enable-preview \
                    --show-module-resolution",
            flags: &[
                flag("-cp", Next, Sets),
                flag("-classpath", Next, Sets),
                flag("--class-path", Takes::Value, Sets),
                flag("-p", Next, Sets),
                flag("--module-path", Takes::Value, Sets),
                flag("--upgrade-module-path", Takes::Value, Sets),
                flag("--add-modules", Takes::Value, Sets),
                flag("--add-exports", Takes::Value, Sets),
                flag("--add-opens", Takes::Value, Sets),
                flag("--add-reads", Takes::Value, Sets),
                flag("--patch-module", Takes::Value, Sets),
                flag("--limit-modules", Takes::Value, Sets),
                flag("--enable-native-access", Takes::Value, Sets),
                flag("--source", Takes::Value, Sets),
                flag("-m", Next, Module),
                flag("--module", Takes::Value, Module),
                flag("-d", Next, Exits),
                flag("--describe-module", Takes::Value, Exits),
                flag("--list-modules", Nothing, Exits),
                flag("--validate-modules", Nothing, Exits),
                flag("--dry-run", Nothing, Exits),
                flag("-version", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("-fullversion", Nothing, Exits),
                flag("--full-version", Nothing, Exits),
                flag("-help", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("-h", Nothing, Exits),
                flag("-?", Nothing, Exits),
                flag("-X", Nothing, Exits),
                flag("--help-extra", Nothing, Exits),
                flag("-D*", Nothing, Sets),
                flag("-X*", Nothing, Sets),
                flag("-ea:*", Nothing, Sets),
                flag("-da:*", Nothing, Sets),
                flag("-enableassertions:*", Nothing, Sets),
                flag("-disableassertions:*", Nothing, Sets),
                flag("-verbose*", Nothing, Sets),
                flag("-agentlib:*", Nothing, Sets),
                flag("-agentpath:*", Nothing, Sets),
                flag("-javaagent:*", Nothing, Sets),
                flag("-splash:*", Nothing, Sets),
            ],
            refuses: Some(1),
            missing: 1,
            dash: Dash::Word,
            without: Some(1),
            text_name: Name::Absent,
            input_name: Name::Absent,
            file_name: Name::Absent,
            ..USUAL
        }),
        heads: &[Head::Count("args.length", 0)],
        element: "args[{}]",
        first: 0,
        decode: Decode::ReplacesSurrogatesOnce,
        access: Access {
            form: "args[{}]",
            absent: Absent::Fails(
                "java.lang.ArrayIndexOutOfBoundsException",
                "Index {index} out of bounds for length {length}",
                1,
            ),
        },
        remark: "The class is not among the arguments: args[0] is the first of them.",
        ..NONE
    },
    Runtime {
        name: "perl",
        title: "Perl",
        programs: &["perl"],
        sample: &["perl", "press.pl"],
        grammar: Some(Grammar {
            plain: "fStTuUwWX",
            flags: &[
                flag("e", Value, Text),
                flag("E", Value, Text),
                flag("I", Value, Sets),
                flag("m", Attached, Sets),
                flag("M", Attached, Sets),
                flag("0", Number, Sets),
                flag("l", Among("01234567"), Sets),
                flag("C", Among("0123456789IOEioADLaS"), Sets),
                flag("D", Rest, Sets),
                flag("d", Rest, Sets),
                flag("i", Rest, Sets),
                flag("x", Rest, Extracts("perl")),
                flag("V", Rest, Exits),
                flag("v", Nothing, Exits),
                flag("h", Nothing, Exits),
                flag("c", Nothing, Exits),
                flag("n", Nothing, Loops),
                flag("p", Nothing, Loops),
                flag("a", Nothing, Loops),
                flag("F", Rest, Loops),
                flag("s", Nothing, Switches),
                flag("--", Nothing, Ends),
            ],
            refuses: None,
            empty_is_input: true,
            ..USUAL
        }),
        heads: &[Head::Program("$0"), Head::Count("scalar(@ARGV)", 0), Head::Count("$#ARGV", -1)],
        element: "$ARGV[{}]",
        first: 0,
        access: Access { form: "$ARGV[{}]", absent: Absent::Nothing("undef") },
        remark: "The script is $0 and not in @ARGV; $#ARGV is the last index, one less than the count.",
        ..NONE
    },
    Runtime {
        name: "php",
        title: "PHP",
        programs: &["php", "php-cli"],
        sample: &["php", "press.php"],
        grammar: Some(Grammar {
            plain: "aCeHnq",
            flags: &[
                flag("f", Value, File),
                flag("r", Value, Text),
                flag("d", Value, Sets),
                flag("c", Value, Sets),
                flag("z", Value, Sets),
                flag("t", Value, Sets),
                flag("S", Value, Exits),
                flag("B", Value, Loops),
                flag("R", Value, Loops),
                flag("F", Value, Loops),
                flag("E", Value, Loops),
                flag("h", Nothing, Exits),
                flag("?", Nothing, Exits),
                flag("i", Nothing, Exits),
                flag("m", Nothing, Exits),
                flag("v", Nothing, Exits),
                flag("l", Nothing, Exits),
                flag("s", Nothing, Exits),
                flag("w", Nothing, Exits),
                flag("--file", Takes::Value, File),
                flag("--run", Takes::Value, Text),
                flag("--define", Takes::Value, Sets),
                flag("--php-ini", Takes::Value, Sets),
                flag("--zend-extension", Takes::Value, Sets),
                flag("--no-php-ini", Nothing, Sets),
                flag("--no-header", Nothing, Sets),
                flag("--profile-info", Nothing, Sets),
                flag("--hide-args", Nothing, Sets),
                flag("--interactive", Nothing, Sets),
                flag("--info", Nothing, Exits),
                flag("--ini", Nothing, Exits),
                flag("--modules", Nothing, Exits),
                flag("--syntax-check", Nothing, Exits),
                flag("--syntax-highlight", Nothing, Exits),
                flag("--strip", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("--usage", Nothing, Exits),
                flag("--rf", Takes::Value, Exits),
                flag("--rc", Takes::Value, Exits),
                flag("--re", Takes::Value, Exits),
                flag("--ri", Takes::Value, Exits),
                flag("--rz", Takes::Value, Exits),
                flag("--", Nothing, Ends),
            ],
            refuses: Some(1),
            missing: 1,
            dash: Dash::Word,
            program_behind_dashes: false,
            text_name: Name::Fixed("Standard input code"),
            input_name: Name::Fixed("Standard input code"),
            ..USUAL
        }),
        heads: &[Head::Count("$argc", 1), Head::Program("$argv[0]")],
        element: "$argv[{}]",
        access: Access { form: "$argv[{}]", absent: Absent::Nothing("NULL") },
        remark: "$argv[0] is the script; behind -f and -r a -- has to stand before arguments that begin with a dash.",
        ..NONE
    },
    Runtime {
        name: "node",
        title: "JavaScript on Node",
        programs: &["node", "nodejs"],
        sample: &["node", "press.js"],
        grammar: Some(Grammar {
            shape: Shape::Words,
            flags: &[
                flag("-e", Takes::Value, Text),
                flag("--eval", Takes::Value, Text),
                flag("-p", Takes::Value, Text),
                flag("--print", Takes::Value, Text),
                flag("-pe", Next, Text),
                flag("-h", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("-v", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("-c", Nothing, Exits),
                flag("--check", Nothing, Exits),
                flag("--v8-options", Nothing, Exits),
                flag("--completion-bash", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            names: &[include_str!("names/node.txt"), include_str!("names/v8.txt")],
            refuses: Some(9),
            missing: 1,
            empty_is_input: true,
            text_name: Name::Absent,
            input_name: Name::Absent,
            file_name: Name::WholePath,
            endings: &[".js", ".json", ".node"],
            ..USUAL
        }),
        heads: &[
            Head::Count("process.argv.length", 2),
            Head::Interpreter("process.argv[0]"),
            Head::Program("process.argv[1]"),
        ],
        element: "process.argv[{}]",
        first: 2,
        decode: Decode::Replaces,
        access: Access { form: "process.argv[{}]", absent: Absent::Nothing("undefined") },
        remark: "process.argv holds the interpreter and the script, both as whole paths, before the arguments; behind -e there is no script, and arguments begin at 1.",
        ..NONE
    },
    Runtime {
        name: "ruby",
        title: "Ruby",
        programs: &["ruby"],
        sample: &["ruby", "press.rb"],
        grammar: Some(Grammar {
            plain: "adlSUwy",
            flags: &[
                flag("e", Value, Text),
                flag("I", Value, Sets),
                flag("r", Value, Sets),
                flag("C", Value, Folder),
                flag("X", Value, Folder),
                flag("E", Value, Sets),
                flag("0", Number, Sets),
                flag("F", Rest, Sets),
                flag("i", Rest, Sets),
                flag("x", Rest, Extracts("ruby")),
                flag("W", Rest, Sets),
                flag("K", Among("aAeEsSuUnN"), Sets),
                flag("v", Nothing, Tells),
                flag("h", Nothing, Exits),
                flag("c", Nothing, Exits),
                flag("n", Nothing, Loops),
                flag("p", Nothing, Loops),
                flag("s", Nothing, Switches),
                flag("--verbose", Nothing, Tells),
                flag("--version", Nothing, Exits),
                flag("--copyright", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("--disable", Takes::Value, Sets),
                flag("--enable", Takes::Value, Sets),
                flag("--encoding", Takes::Value, Sets),
                flag("--external-encoding", Takes::Value, Sets),
                flag("--internal-encoding", Takes::Value, Sets),
                flag("--disable-*", Nothing, Sets),
                flag("--enable-*", Nothing, Sets),
                flag("--backtrace-limit=*", Nothing, Sets),
                flag("--dump=*", Nothing, Exits),
                flag("--debug", Nothing, Sets),
                flag("--yydebug", Nothing, Sets),
                flag("--jit*", Nothing, Sets),
                flag("--mjit*", Nothing, Sets),
                flag("--yjit*", Nothing, Sets),
                flag("--debug-frozen-string-literal", Nothing, Sets),
                flag("--", Nothing, Ends),
            ],
            refuses: Some(1),
            missing: 1,
            empty_is_input: true,
            ..USUAL
        }),
        heads: &[Head::Program("$0"), Head::Count("ARGV.length", 0)],
        element: "ARGV[{}]",
        first: 0,
        access: Access { form: "ARGV[{}]", absent: Absent::Nothing("nil") },
        remark: "The script is $0 and not in ARGV: ARGV[0] is the first argument.",
        ..NONE
    },
    Runtime {
        name: "awk",
        title: "awk (gawk)",
        programs: &["gawk", "awk"],
        sample: &["gawk", "-f", "press.awk", "--"],
        grammar: Some(Grammar {
            plain: "bcIMNnOPrsSkgt",
            flags: &[
                flag("f", Value, File),
                flag("F", Value, Sets),
                flag("v", Value, Assigns),
                flag("e", Value, Text),
                flag("E", Value, LastFile),
                flag("i", Value, Sets),
                flag("l", Value, Sets),
                flag("W", Value, Sets),
                flag("L", Rest, Sets),
                flag("d", Rest, Sets),
                flag("D", Rest, Sets),
                flag("o", Rest, Exits),
                flag("p", Rest, Sets),
                flag("C", Nothing, Exits),
                flag("h", Nothing, Exits),
                flag("V", Nothing, Exits),
                flag("--file", Takes::Value, File),
                flag("--field-separator", Takes::Value, Sets),
                flag("--assign", Takes::Value, Assigns),
                flag("--source", Takes::Value, Text),
                flag("--exec", Takes::Value, LastFile),
                flag("--include", Takes::Value, Sets),
                flag("--load", Takes::Value, Sets),
                flag("--copyright", Nothing, Exits),
                flag("--help", Nothing, Exits),
                flag("--version", Nothing, Exits),
                flag("--", Nothing, Ends),
            ],
            names: &[
                "--characters-as-bytes\n--traditional\n--dump-variables?\n--debug?\n--gen-pot\n--trace\n--lint?\n--bignum\n--use-lc-numeric\n--non-decimal-data\n--pretty-print?\n--optimize\n--profile?\n--posix\n--re-interval\n--no-optimize\n--sandbox\n--lint-old\n--csv\n",
            ],
            unknown: Unknown::Argument,
            refuses: Some(1),
            dash: Dash::Word,
            text_is_operand: true,
            without: Some(1),
            abbreviates: true,
            text_name: Name::InterpreterBase,
            input_name: Name::InterpreterBase,
            file_name: Name::InterpreterBase,
            ..USUAL
        }),
        heads: &[Head::Count("ARGC", 1), Head::Program("ARGV[0]")],
        element: "ARGV[{}]",
        access: Access { form: "ARGV[{}]", absent: Absent::Empty },
        remark: "ARGV[0] is awk itself; the program is no argument. Arguments are files to read, and name=value sets a variable; a -- keeps options of awk apart.",
        ..NONE
    },
    Runtime {
        name: "mawk",
        title: "awk (mawk)",
        programs: &["mawk"],
        sample: &["mawk", "-f", "press.awk", "--"],
        grammar: Some(Grammar {
            flags: &[
                flag("f", Value, File),
                flag("F", Value, Sets),
                flag("v", Value, Assigns),
                flag(
                    "W",
                    Value,
                    ByValue(&[
                        ("e", LastFileBehind),
                        ("v", Exits),
                        ("u", Exits),
                        ("h", Exits),
                        ("d", Exits),
                        ("", Sets),
                    ]),
                ),
                flag("--", Nothing, Ends),
            ],
            dash: Dash::Word,
            text_is_operand: true,
            without: Some(0),
            text_name: Name::InterpreterBase,
            input_name: Name::InterpreterBase,
            file_name: Name::InterpreterBase,
            ..USUAL
        }),
        heads: &[Head::Count("ARGC", 1), Head::Program("ARGV[0]")],
        element: "ARGV[{}]",
        access: Access { form: "ARGV[{}]", absent: Absent::Empty },
        remark: "ARGV[0] is awk itself; the program is no argument. Arguments are files to read, and name=value sets a variable; a -- keeps options of awk apart.",
        ..NONE
    },
    Runtime {
        name: "tcl",
        title: "Tcl",
        programs: &["tclsh", "wish"],
        sample: &["tclsh", "press.tcl"],
        grammar: Some(Grammar {
            shape: Shape::OnePair,
            flags: &[flag("-encoding", Next, Sets)],
            names: &[include_str!("names/encodings.txt")],
            missing: 1,
            dash: Dash::Word,
            input_name: Name::Interpreter,
            keeps_all_without_file: true,
            ..USUAL
        }),
        heads: &[Head::Program("argv0"), Head::Count("argc", 0)],
        element: "lindex $argv {}",
        first: 0,
        decode: Decode::Latin,
        access: Access { form: "lindex $argv {}", absent: Absent::Empty },
        remark: "The script is $argv0 and not in $argv, which is one list: lindex $argv 0 is the first argument.",
        ..NONE
    },
    Runtime {
        name: "lua",
        title: "Lua",
        programs: &["lua"],
        sample: &["lua5.4", "press.lua"],
        grammar: Some(Grammar {
            shape: Shape::Words,
            plain: "-W -E -i",
            flags: &[
                flag("-e*", ValueWithoutDash, TextBefore),
                flag("-l*", ValueWithoutDash, Sets),
                flag("-v", Nothing, Tells),
                flag("--", Nothing, Ends),
            ],
            refuses: Some(1),
            missing: 1,
            text_name: Name::Interpreter,
            input_name: Name::Interpreter,
            keeps_all_without_file: true,
            ..USUAL
        }),
        heads: &[Head::Count("#arg", 0), Head::Program("arg[0]")],
        element: "arg[{}]",
        access: Access { form: "arg[{}]", absent: Absent::Nothing("nil") },
        remark: "arg[0] is the script; what stands before it has negative indexes, and ... holds the arguments too.",
        ..NONE
    },
];
