//! The shells among the runtimes, a row each.

use crate::receive::runtime::Does::*;
use crate::receive::runtime::Takes::*;
use crate::receive::runtime::{Dash, Grammar, Name, Runtime, Shape, Unknown};
use crate::receive::table::{NONE, USUAL, flag};

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

const DASH_GRAMMAR: Grammar = Grammar {
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

const fn shell(
    name: &'static str,
    title: &'static str,
    programs: &'static [&'static str],
    sample: &'static [&'static str],
    grammar: Grammar,
) -> Runtime {
    Runtime {
        name,
        title,
        programs,
        sample,
        grammar: Some(grammar),
        remark: SHELL_REMARK,
        language: name,
        is_alone: true,
        ..NONE
    }
}

const SHELL_REMARK: &str =
    "$0 is the script, no argument; $10 is $1 with a 0 behind it, ${10} the tenth argument.";

pub(super) const SH: Runtime = Runtime {
    language: "dash",
    is_alone: false,
    ..shell("sh", "POSIX shell", &["sh"], &["sh", "press.sh"], DASH_GRAMMAR)
};

pub(super) const DASH: Runtime =
    shell("dash", "dash", &["dash"], &["dash", "press.sh"], DASH_GRAMMAR);

pub(super) const BASH: Runtime = shell(
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
);

pub(super) const BUSYBOX: Runtime = shell(
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
        is_applet: true,
        unknown: Unknown::Ignored,
        ..DASH_GRAMMAR
    },
);

pub(super) const KSH93: Runtime = shell(
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
);

pub(super) const MKSH: Runtime = shell(
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
);

pub(super) const ZSH: Runtime = shell(
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
);
