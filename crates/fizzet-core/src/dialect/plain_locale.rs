//! What a locale without characters of several bytes changes in bash (observed in bash 5.2 with `LC_ALL=C`).

use crate::dialect::{Dialect, DollarQuoting, escapes};

impl Dialect {
    /// Takes the rules on that the shell has where each byte is a character: numbers of others are told as they would
    /// be written, and the bytes of others are no letters that stand as they are.
    pub(crate) fn follow_plain_locale(&mut self) {
        if !self.locale_changes_rows {
            return;
        }
        self.dollar_escapes = &escapes::BASH_PLAIN;
        self.dollar_quoting = DollarQuoting::OctalBytes;
        self.echo_escapes = "abceEfnrtv\\0xuU~";
        self.format_escapes = "abeEfnrtv\\1xuU?\"'~";
        self.argument_escapes = "abceEfnrtv\\01xuU~";
    }
}
