//! The options of `set` by their letters and names, and what `$-` and SHELLOPTS tell of them.

use std::rc::Rc;

use crate::dialect::{Braces, Dialect};
use crate::state::State;

/// Names of options that have a letter too, where the shell knows the letter.
const LETTERS: &[(&str, u8)] = &[
    ("allexport", b'a'),
    ("emacs", b'E'),
    ("errexit", b'e'),
    ("errtrace", b'E'),
    ("functrace", b'T'),
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

/// Options that every shell with these letters has, whether or not its row of names lists them.
const EVERYWHERE: &[&str] = &["allexport", "errexit", "noclobber", "noexec", "noglob", "nounset"];

/// A set of ASCII letters.
fn bit(letter: u8) -> u128 {
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
    }

    /// `set -x` and its kin; false where the shell knows no such option.
    pub fn set_letter(&mut self, letter: u8, on: bool) -> bool {
        let known = self.dialect.set_letters.as_bytes().contains(&letter);
        let options = &mut self.options;
        match letter {
            letter if letter == self.dialect.glob_letter => options.no_glob = on,
            b'y' if self.dialect.letter_splits_words => options.word_split = on,
            b'f' => options.start_files = !on,
            b'u' => options.no_unset = on,
            b'e' => options.exit_on_error = on,
            b'a' => options.all_export = on,
            b'C' => options.no_clobber = on,
            b'n' => options.no_exec = on,
            b'E' if self.dialect.errtrace_option => options.traces_errors = on,
            b'T' if self.dialect.functrace_option => options.traces_functions = on,
            b'B' if self.dialect.set_braces => options.no_braces = !on,
            _ if !known => return false,
            letter if on => options.letters |= bit(letter),
            letter => options.letters &= !bit(letter),
        }
        true
    }

    /// Whether the option of a letter is on.
    pub fn letter_is_on(&self, letter: u8) -> bool {
        let options = &self.options;
        match letter {
            letter if letter == self.dialect.glob_letter => options.no_glob,
            b'y' if self.dialect.letter_splits_words => options.word_split,
            b'f' => !options.start_files,
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

    /// Whether `set -o` has an option of this name.
    pub fn has_option(&self, name: &[u8]) -> bool {
        let is = |known: &str| known.as_bytes() == name;
        EVERYWHERE.iter().any(|known| is(known))
            || (is("pipefail") && self.dialect.pipe_fail)
            || (is("braceexpand") && self.dialect.braces != Braces::None)
            || self.dialect.set_names.split(' ').any(is)
    }

    /// `set -o name`; false where the shell knows no such option.
    pub fn set_option(&mut self, name: &[u8], on: bool) -> bool {
        if self.dialect.bare_groups {
            return self.options.set_by_name(name, on);
        }
        if !self.has_option(name) {
            return false;
        }
        match name {
            b"braceexpand" => self.options.no_braces = !on,
            b"pipefail" => self.options.pipe_fail = on,
            b"posix" if self.dialect.posix_mode => self.follow_posix(on),
            name => match self.letter_of(name) {
                Some(b'f') => self.options.no_glob = on,
                Some(letter) => return self.set_letter(letter, on),
                None => self.options.toggle(name, on != self.is_on_at_start(name)),
            },
        }
        true
    }

    /// Whether an option of `set -o` is on.
    pub fn option_is_on(&self, name: &[u8]) -> bool {
        match name {
            b"braceexpand" => !self.options.no_braces,
            b"pipefail" => self.options.pipe_fail,
            b"posix" if self.dialect.posix_mode => self.options.posix,
            name => match self.letter_of(name) {
                Some(b'f') => self.options.no_glob,
                Some(letter) => self.letter_is_on(letter),
                None => self.options.is_toggled(name) != self.is_on_at_start(name),
            },
        }
    }

    fn is_on_at_start(&self, name: &[u8]) -> bool {
        self.dialect.first_names.iter().any(|known| known.as_bytes() == name)
    }

    /// The rules of bash's POSIX mode, or its own again.
    pub(crate) fn follow_posix(&mut self, on: bool) {
        self.options.posix = on;
        let mut dialect = Dialect::of(self.dialect.shell);
        if on {
            dialect.follow_posix();
        }
        self.dialect = Rc::new(dialect);
    }

    /// The names of the options of `set -o` that are on, sorted.
    pub(super) fn options_on(&self) -> Vec<&'static str> {
        let others = self.dialect.set_names.split(' ').chain(["braceexpand", "pipefail"]);
        let mut names: Vec<&'static str> = EVERYWHERE.iter().copied().chain(others).collect();
        names.retain(|name| self.has_option(name.as_bytes()) && self.option_is_on(name.as_bytes()));
        names.sort_unstable();
        names.dedup();
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
