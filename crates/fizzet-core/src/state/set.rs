//! The options of `set` by their letters and names, and what `$-` and SHELLOPTS tell of them.

use std::rc::Rc;

use crate::dialect::{Dialect, OptionOfVariable, PosixMode};
use crate::state::zsh_options::{ByName, is_fixed, letter_switches_rows};
use crate::state::{Options, State, Value};

/// Names of options that have a letter too, where the shell knows the letter.
const LETTERS: &[(&str, u8)] = &[
    ("allexport", b'a'),
    ("emacs", b'E'),
    ("errexit", b'e'),
    ("errtrace", b'E'),
    ("functrace", b'T'),
    ("globstar", b'G'),
    ("hashall", b'h'),
    ("histexpand", b'H'),
    ("ignoreeof", b'I'),
    ("keyword", b'k'),
    ("markdirs", b'X'),
    ("monitor", b'm'),
    ("noclobber", b'C'),
    ("noexec", b'n'),
    ("noglob", b'f'),
    ("notify", b'b'),
    ("nounset", b'u'),
    ("onecmd", b't'),
    ("physical", b'P'),
    ("privileged", b'p'),
    ("stdin", b's'),
    ("trackall", b'h'),
    ("utf8-mode", b'U'),
    ("verbose", b'v'),
    ("vi", b'V'),
    ("xtrace", b'x'),
];

/// Options whose letters every shell knows.
const EVERYWHERE: &[&str] = &["allexport", "errexit", "noclobber", "noexec", "noglob", "nounset"];

/// Options that some shell names by what they allow, and what they forbid.
const REVERSED: &[(&str, &str)] =
    &[("clobber", "noclobber"), ("exec", "noexec"), ("glob", "noglob"), ("unset", "nounset")];

/// Options of which one at most is on.
pub(super) const EDITORS: &[&str] = &["emacs", "gmacs", "vi"];

/// A set of ASCII letters.
pub(super) fn bit(letter: u8) -> u128 {
    1 << (letter & 0x7f)
}

impl State {
    /// Switches the options on that are on at the start.
    pub(super) fn start_options(&mut self, has_text: bool) {
        let mut letters = self.dialect.first_letters.bytes().fold(0, |all, one| all | bit(one));
        if has_text && self.dialect.text_letter {
            letters |= bit(b'c');
        }
        self.options.letters = letters;
        if self.dialect.named_options {
            for name in self.dialect.first_names.split(' ') {
                self.options.set_by_name(name.as_bytes(), true);
            }
        }
    }

    /// `set -x` and its kin; false where the shell knows no such option.
    pub fn set_letter(&mut self, letter: u8, on: bool) -> bool {
        let is_known = self.put_letter(letter, on);
        if self.dialect.named_options && letter_switches_rows(letter) {
            self.rows_follow_options();
        }
        is_known
    }

    fn put_letter(&mut self, letter: u8, on: bool) -> bool {
        let known = self.dialect.set_letters.as_bytes().contains(&letter);
        if self.dialect.named_options {
            if self.options.set_flag_by_letter(letter, on) {
                return true;
            }
            if on && is_fixed(letter) {
                return false;
            }
        }
        let options = &mut self.options;
        match letter {
            b'f' if !self.dialect.named_options => options.no_glob = on,
            b'u' => options.no_unset = on,
            b'e' => options.exit_on_error = on,
            b'a' => options.all_export = on,
            b'C' => options.no_clobber = on,
            b'n' => options.no_exec = on,
            b'E' if self.dialect.errtrace_option => options.traces_errors = on,
            b'T' if self.dialect.functrace_option => options.traces_functions = on,
            b'B' if self.dialect.set_braces => options.no_braces = !on,
            _ if !known => return false,
            _ if self.dialect.idle_letters.as_bytes().contains(&letter) => {}
            letter => options.put(letter, on),
        }
        true
    }

    /// Puts the letter into `$-` that tells of `-c`, or takes it away.
    pub(crate) fn switch_text_letter(&mut self, on: bool) {
        self.options.put(b'c', on);
    }

    /// `set -o ''`
    fn set_nameless(&mut self, on: bool) -> bool {
        let Some(letter) = self.dialect.nameless_option else { return false };
        let changes = self.letter_is_on(letter) != on;
        if changes && letter != b'c' {
            self.options.put(letter, on);
        }
        !changes || letter != b'c'
    }

    /// Whether the option of a letter is on.
    pub fn letter_is_on(&self, letter: u8) -> bool {
        let options = &self.options;
        if self.dialect.named_options
            && let Some(is_on) = options.flag_by_letter(letter)
        {
            return is_on;
        }
        match letter {
            b'f' if !self.dialect.named_options => options.no_glob,
            b'u' => options.no_unset,
            b'e' => options.exit_on_error,
            b'a' => options.all_export,
            b'C' => options.no_clobber,
            b'n' => options.no_exec,
            b'E' if self.dialect.errtrace_option => options.traces_errors,
            b'T' if self.dialect.functrace_option => options.traces_functions,
            b'B' if self.dialect.set_braces => !options.no_braces,
            letter => options.letters & bit(letter) != 0,
        }
    }

    /// `$-`: the letters of the options that are on, in the shell's own order.
    pub fn option_letters(&self) -> Vec<u8> {
        if self.has_sh_letters() {
            return self.sh_letters();
        }
        let order = self.dialect.option_order.bytes();
        order.filter(|&letter| self.letter_is_on(letter)).collect()
    }

    /// The letter of an option, where the shell has one for it.
    fn letter_of(&self, name: &[u8]) -> Option<u8> {
        let (_, letter) = LETTERS.iter().find(|(known, _)| known.as_bytes() == name)?;
        // The same letter is another option in shells that trace errors.
        let is_traced = name == b"errtrace";
        let of_errors = *letter != b'E' || self.dialect.errtrace_option == is_traced;
        let is_known = self.dialect.set_letters.as_bytes().contains(letter);
        let of_words = EVERYWHERE.iter().any(|one| one.as_bytes() == name);
        (of_words || (is_known && of_errors)).then_some(*letter)
    }

    /// The option that a name behind `set -o` means, and whether it means the opposite.
    fn meant_option(&self, name: &str) -> Option<(&'static str, bool)> {
        let names = || self.dialect.set_names.split(' ');
        let (name, negated) = match names().find(|known| *known == name) {
            Some(known) => (known, false),
            None if !self.dialect.set_names_can_be_short => return None,
            None if name.starts_with(['-', '_']) => return None,
            None => {
                let (name, value) = name.split_once('=').unwrap_or((name, "1"));
                let is_off = value.parse::<i64>().unwrap_or(0) == 0;
                let found = |name: &str| {
                    let name = name.replace(['-', '_'], "");
                    let exact = names().find(|known| *known == name);
                    let mut begun =
                        names().filter(|known| !name.is_empty() && known.starts_with(&name));
                    exact.or_else(|| begun.next().filter(|_| begun.next().is_none()))
                };
                let rest = name.strip_prefix("no");
                let denied = rest.and_then(found).map(|known| (known, !is_off));
                let named = || Some((found(name)?, is_off)).filter(|_| rest != Some(""));
                denied.or_else(named)?
            }
        };
        match REVERSED.iter().find(|(allowed, _)| *allowed == name) {
            Some((_, forbidden)) => Some((forbidden, !negated)),
            None => Some((name, negated)),
        }
    }

    /// `set -o name`; false where the shell knows no such option.
    pub fn set_option(&mut self, name: &[u8], on: bool) -> bool {
        if self.dialect.named_options {
            return self.set_by_name(name, on) == ByName::Set;
        }
        if self.dialect.option_that_resets.is_some_and(|reset| reset.as_bytes() == name) {
            self.reset_options();
            return true;
        }
        let Ok(name) = std::str::from_utf8(name) else { return false };
        match name.as_bytes() {
            [] => return self.set_nameless(on),
            [b'-' | b'+', letter] if self.dialect.set_names_may_be_letters => {
                return self.set_letter(*letter, on);
            }
            _ => {}
        }
        let Some((name, negated)) = self.meant_option(name) else { return false };
        let on = on != negated;
        if on && self.dialect.editors_exclude && EDITORS.contains(&name) {
            for other in EDITORS.iter().filter(|other| **other != name) {
                self.switch(other, false);
            }
        }
        let tie = self.dialect.options_of_variables.iter().find(|tie| tie.option == name);
        let stays = |tie: &&OptionOfVariable| {
            on && !tie.anew && self.option_is_on(name.as_bytes()) == Some(true)
        };
        let tie = tie.filter(|tie| !stays(tie));
        let is_known = self.switch(name, on);
        if let Some(tie) = tie {
            self.variable_follows(tie, on);
        }
        is_known
    }

    /// An option follows the variable that switches it on by being there.
    pub(super) fn option_follows(&mut self, variable: &[u8], on: bool) {
        let ties = self.dialect.options_of_variables;
        if let Some(tie) = ties.iter().find(|tie| tie.variable.as_bytes() == variable)
            && self.option_is_on(tie.option.as_bytes()) != Some(on)
        {
            self.switch(tie.option, on);
        }
    }

    /// Puts the options back that `local -` has kept; a variable that goes with one of them follows it.
    pub(crate) fn put_options_back(&mut self, options: Options) {
        let ties = self.dialect.options_of_variables;
        let is_on = |state: &State, tie: &OptionOfVariable| {
            state.option_is_on(tie.option.as_bytes()) == Some(true)
        };
        let before: Vec<bool> = ties.iter().map(|tie| is_on(self, tie)).collect();
        self.options = options;
        for (tie, before) in ties.iter().zip(before) {
            let on = is_on(self, tie);
            if on != before {
                self.variable_follows(tie, on);
            }
        }
    }

    /// Follows a variable that is again what it was before.
    pub(crate) fn follow_variable(&mut self, name: &[u8]) {
        self.follow_locale(name);
        let is_there =
            self.variables.itself(name).is_some_and(|one| !matches!(one.value, Value::Nothing));
        self.option_follows(name, is_there);
    }

    /// A variable that goes with an option follows it.
    fn variable_follows(&mut self, tie: &OptionOfVariable, on: bool) {
        let variable = tie.variable.as_bytes();
        match on {
            true => {
                let text = self.shell_text(tie.value.as_bytes());
                self.variables.entry(variable).value = Value::Scalar(text);
            }
            false => drop(self.variables.remove(variable)),
        }
    }

    fn switch(&mut self, name: &str, on: bool) -> bool {
        match name {
            "braceexpand" => self.options.no_braces = !on,
            "pipefail" => self.options.pipe_fail = on,
            "posix" if self.dialect.posix_mode != PosixMode::Nothing => self.follow_posix(on),
            // Only mksh has an option of this name.
            "sh" => {
                self.options.no_braces |= on;
                self.options.toggle(name.as_bytes(), on);
                if on {
                    self.follow_posix(false);
                }
            }
            name => match self.letter_of(name.as_bytes()) {
                Some(letter) => return self.set_letter(letter, on),
                None => self.options.toggle(name.as_bytes(), on != self.is_on_at_start(name)),
            },
        }
        true
    }

    /// Whether an option of `set -o` is on; `None` where the shell has no such option.
    pub fn option_is_on(&self, name: &[u8]) -> Option<bool> {
        if self.dialect.named_options {
            return self.options.is_on_by_name(name);
        }
        let (name, negated) = self.meant_option(std::str::from_utf8(name).ok()?)?;
        let is_on = match name {
            "braceexpand" => !self.options.no_braces,
            "pipefail" => self.options.pipe_fail,
            "posix" if self.dialect.posix_mode != PosixMode::Nothing => self.options.posix,
            name => match self.letter_of(name.as_bytes()) {
                Some(letter) => self.letter_is_on(letter),
                None => self.options.is_toggled(name.as_bytes()) != self.is_on_at_start(name),
            },
        };
        Some(is_on != negated)
    }

    /// What `-o` of a test says of an option; nothing where there is none.
    pub fn option_holds(&self, written: &[u8]) -> Option<bool> {
        let signs = self.dialect.option_test_signs.as_bytes();
        let (sign, name) = match written {
            [sign @ (b'!' | b'?'), name @ ..] if signs.contains(sign) => (Some(sign), name),
            name => (None, name),
        };
        let is_on = match name {
            [letter] if self.dialect.named_options => self.known_letter(*letter),
            [sign @ (b'-' | b'+'), letter] if signs.contains(sign) => self.known_letter(*letter),
            // It is the option that has no name, but the letter of `-c`.
            [] => self.dialect.empty_option_is_text.then(|| !self.is_script()),
            name => self.option_is_on(name),
        };
        match sign {
            Some(b'?') => Some(is_on.is_some()),
            Some(_) => is_on.map(|is_on| !is_on),
            None => is_on,
        }
    }

    /// Whether the option of a letter is on, if there is one.
    fn known_letter(&self, letter: u8) -> Option<bool> {
        let is_one = self.dialect.option_order.as_bytes().contains(&letter);
        is_one.then(|| self.letter_is_on(letter))
    }

    fn is_on_at_start(&self, name: &str) -> bool {
        self.dialect.first_names.split(' ').any(|known| known == name)
    }

    /// Whether an option is on when the options have been reset.
    pub(crate) fn is_on_after_reset(&self, name: &str) -> bool {
        self.dialect.reset_names.split(' ').any(|known| known == name)
    }

    /// Gives all options the values that `set` resets them to.
    fn reset_options(&mut self) {
        for (name, on) in self.listed_options() {
            let wanted = self.is_on_after_reset(&name);
            if on != wanted {
                self.set_option(name.as_bytes(), wanted);
            }
        }
    }

    /// The options of `set -o` in the order that the shell lists them in, and whether they are on.
    pub(crate) fn listed_options(&self) -> Vec<(String, bool)> {
        if self.dialect.named_options {
            return self.options.all_by_name();
        }
        let names = self.dialect.set_names.split(' ');
        let told = |name: &str| Some((name.to_string(), self.option_is_on(name.as_bytes())?));
        names.filter_map(told).collect()
    }

    /// The rules of the POSIX mode, or the shell's own again.
    pub(crate) fn follow_posix(&mut self, on: bool) {
        self.options.posix = on;
        match self.dialect.posix_mode {
            PosixMode::OctalAndBraces => {
                self.options.no_braces = on;
                self.switch("letoctal", on);
            }
            PosixMode::OctalWithoutBraces if on => {
                self.options.no_braces = true;
                self.options.toggle(b"sh", false);
            }
            PosixMode::OctalWithoutBraces => {}
            PosixMode::Nothing | PosixMode::Rules => {}
        }
        let mut dialect = Dialect::of(self.dialect.shell);
        if on {
            dialect.follow_posix();
        }
        if !self.utf8() {
            dialect.follow_plain_locale();
        }
        self.dialect = Rc::new(dialect);
    }

    /// The names of the options of `set -o` that are on, sorted.
    pub(super) fn options_on(&self) -> Vec<String> {
        let on = self.listed_options().into_iter().filter(|(_, on)| *on);
        let mut names: Vec<String> = on.map(|(name, _)| name).collect();
        names.sort_unstable();
        names
    }
}

#[cfg(test)]
mod tests {
    use crate::dialect::{Dialect, Shell};
    use crate::source::SourceKind;
    use crate::state::State;

    fn told(shell: Shell, letters: &[u8], names: &[&str]) -> String {
        let mut state = State::new(Dialect::of(shell), SourceKind::Line, b"");
        assert!(letters.iter().all(|&letter| state.set_letter(letter, true)));
        assert!(names.iter().all(|name| state.set_option(name.as_bytes(), true)));
        String::from_utf8(state.option_letters()).unwrap()
    }

    #[test]
    fn letters_stand_in_the_order_of_the_shell() {
        assert_eq!(told(Shell::Bash, b"xvufea", &[]), "aefhuvxBc");
        assert_eq!(told(Shell::Dash, b"xvufea", &[]), "uavxfe");
        assert_eq!(told(Shell::Busybox, b"a", &["verbose"]), "avc");
        assert_eq!(told(Shell::Ksh93, b"ab", &["trackall"]), "cabhB");
        assert_eq!(told(Shell::Mksh, b"x", &["keyword", "noglob"]), "kfhUxc");
        assert_eq!(told(Shell::Zsh, b"x", &[]), "569Xfx");
    }

    #[test]
    fn options_without_letters_are_told_by_name() {
        let mut state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, b"");
        assert_eq!(state.options_on(), ["braceexpand", "hashall", "interactive-comments"]);
        assert!(state.set_option(b"vi", true) && state.set_option(b"hashall", false));
        assert!(state.set_option(b"interactive-comments", false));
        assert!(!state.set_option(b"hives", true));
        assert_eq!(state.options_on(), ["braceexpand", "vi"]);
    }
}
