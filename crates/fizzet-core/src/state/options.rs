//! Options of `set` and `shopt` that change how words are handled.

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
    /// `set -e`
    pub exit_on_error: bool,
}
