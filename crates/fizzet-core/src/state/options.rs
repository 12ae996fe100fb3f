//! Options of `set` and `shopt` that change how words are handled.

use crate::state::set::bit;

/// Shell options.
#[derive(Clone, PartialEq, Eq, Default, Debug)]
pub struct Options {
    /// `set -f`: no pathname expansion.
    pub no_glob: bool,
    /// `set +B`: no brace expansion.
    pub no_braces: bool,
    /// `set -u`: unset parameters are an error.
    pub no_unset: bool,
    /// `shopt -s nullglob`: a pattern that matches nothing vanishes.
    pub null_glob: bool,
    /// `shopt -s failglob`: a pattern that matches nothing is an error.
    pub fail_glob: bool,
    /// `shopt -s dotglob`: patterns match hidden files too.
    pub dot_glob: bool,
    /// `setopt local_options`: the options of a function go when it ends.
    pub local_options: bool,
    /// `setopt local_traps`: the actions of a function go when it ends.
    pub local_traps: bool,
    /// `setopt err_return`: a command that fails ends the function, file or subshell that it is in.
    pub return_on_error: bool,
    /// `set -e`
    pub exit_on_error: bool,
    /// `set -n`: commands are read and not carried out.
    pub no_exec: bool,
    /// `set -a`: every variable that is assigned is exported.
    pub all_export: bool,
    /// `set -C`: `>` does not touch a regular file that is there.
    pub no_clobber: bool,
    /// `set -o pipefail`: a pipeline has the status of its last command that failed.
    pub pipe_fail: bool,
    /// `shopt -s extglob`: groups such as `@(a|b)` are patterns.
    pub extended_glob: bool,
    /// `shopt -s globstar`: `**` matches any number of folders.
    pub glob_star: bool,
    /// `shopt -s nocaseglob`: pathnames match whatever their case.
    pub no_case_glob: bool,
    /// `shopt -s nocasematch`: `case` and `[[` match whatever the case.
    pub no_case_match: bool,
    /// `setopt braceccl`: `{abc}` makes a word of each letter.
    pub brace_letters: bool,
    /// `setopt globsubst`: unquoted values form patterns.
    pub glob_substitution: bool,
    /// `unsetopt nomatch`: a pattern that matches nothing stays as it is.
    pub keep_unmatched: bool,
    /// `unsetopt multios`: of several redirections of one descriptor only the last one counts.
    pub last_redirection_counts: bool,
    /// `setopt extendedglob`: `^`, `~` and `#` count in patterns.
    pub pattern_operators: bool,
    /// `setopt rcexpandparam`: a word is put around every element of a list.
    pub distributes: bool,
    /// `setopt shwordsplit`: unquoted parameter expansions are split.
    pub word_split: bool,
    /// `shopt -s expand_aliases`
    pub expand_aliases: bool,
    /// `shopt -s inherit_errexit`: `set -e` counts in command substitutions.
    pub inherits_exit_on_error: bool,
    /// `shopt -u globskipdots`: patterns match `.` and `..`.
    pub shows_dots: bool,
    /// `shopt -s extdebug`: what the action for DEBUG ends with decides whether the command is carried out.
    pub debugger: bool,
    /// `shopt -s execfail`: a failing `exec` does not end the shell.
    pub survives_exec: bool,
    /// `shopt -s lastpipe`: the last command of a pipeline is carried out by the shell itself.
    pub last_in_place: bool,
    /// `shopt -s localvar_inherit`: a local variable keeps the value that is outside.
    pub locals_inherit: bool,
    /// `shopt -s localvar_unset`: `unset` of a variable of a caller shows no other.
    pub callers_stay_hidden: bool,
    /// `shopt -s assoc_expand_once`: keys in the operands of utilities are not expanded again.
    pub keys_expand_once: bool,
    /// `shopt -u patsub_replacement`: `&` in a replacement is a character like others.
    pub no_ampersand: bool,
    /// `shopt -s xpg_echo`: `echo` decodes escapes without `-e`.
    pub echo_decodes: bool,
    /// `set -E`: functions inherit the action for ERR.
    pub traces_errors: bool,
    /// `shopt -s varredir_close`: what `{name}>file` opens is closed behind its command.
    pub named_close: bool,
    /// `set -T`: functions inherit the actions for DEBUG and RETURN.
    pub traces_functions: bool,
    /// `set -o posix`
    pub posix: bool,
    /// The letters of the other options of `set` that are on, a bit for each.
    pub(super) letters: u128,
    /// The options of `set -o` without a letter that are not what they were at the start.
    pub(super) named: Vec<Box<[u8]>>,
    /// The options of `shopt` without effect on words that are not what they were at the start.
    pub toggled: u64,
}

impl Options {
    /// Switches an option that is nothing but its letter.
    pub(super) fn put(&mut self, letter: u8, on: bool) {
        match on {
            true => self.letters |= bit(letter),
            false => self.letters &= !bit(letter),
        }
    }

    /// Whether an option of `set -o` without a letter is not what it was at the start.
    pub(crate) fn is_toggled(&self, name: &[u8]) -> bool {
        self.named.iter().any(|known| **known == *name)
    }

    /// Notes whether an option is not what it was at the start; the names are those of the shell.
    pub(super) fn toggle(&mut self, name: &[u8], differs: bool) {
        self.named.retain(|known| **known != *name);
        if differs {
            self.named.push(name.into());
        }
    }
}
