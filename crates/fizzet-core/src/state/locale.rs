//! The locale of the variables: whether characters have several bytes.

use crate::state::State;
use crate::text::Text;

/// The variables that name the locale of characters; the first one that is set and not empty decides (POSIX
/// XBD 8.2).
const NAMES: [&[u8]; 3] = [b"LC_ALL", b"LC_CTYPE", b"LANG"];

impl State {
    /// Whether the locale of the variables has multi-byte characters; nothing where they name none.
    pub(super) fn locale_is_utf8(&self) -> Option<bool> {
        self.locale_name().map(is_utf8)
    }

    fn locale_name(&self) -> Option<&[u8]> {
        let values = NAMES.into_iter().filter_map(|name| self.variables.scalar(name));
        values.map(Text::bytes).find(|value| !value.is_empty())
    }

    /// Takes the locale of the environment.
    pub(crate) fn start_locale(&mut self) {
        self.starts_as_utf8 = self.locale_is_utf8().unwrap_or(false);
        if self.dialect.utf8_option {
            self.set_letter(b'U', self.starts_as_utf8);
        }
    }

    /// Follows the locale where a variable has changed that names it, and characters are an option; without a
    /// name the locale is that of the environment, and one that there is not changes nothing.
    pub(crate) fn follow_locale(&mut self, name: &[u8]) {
        if !self.dialect.utf8_option || !NAMES.contains(&name) {
            return;
        }
        let utf8 = match self.locale_name() {
            None => self.starts_as_utf8,
            Some(name) if is_utf8(name) => true,
            Some(b"C" | b"POSIX") => false,
            Some(_) => return,
        };
        self.set_letter(b'U', utf8);
    }
}

/// Whether the characters of a locale have several bytes.
fn is_utf8(locale: &[u8]) -> bool {
    let name = locale.to_ascii_lowercase();
    name.ends_with(b".utf-8") || name.ends_with(b".utf8")
}
