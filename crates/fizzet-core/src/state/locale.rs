//! The locale of the variables: whether characters have several bytes.

use crate::dialect::UnnamedLocale;
use crate::state::State;
use crate::text::Text;

/// The variables that name the locale of characters; the first one that is set and not empty decides (POSIX
/// XBD 8.2).
const NAMES: [&[u8]; 3] = [b"LC_ALL", b"LC_CTYPE", b"LANG"];

impl State {
    /// Whether the locale of the variables has multi-byte characters; nothing where they name none.
    fn locale_is_utf8(&self) -> Option<bool> {
        self.locale_name().map(is_utf8)
    }

    fn locale_name(&self) -> Option<&[u8]> {
        let empty_counts = self.dialect.unnamed_locale == UnnamedLocale::ByName;
        let values = NAMES.into_iter().filter_map(|name| self.variables.scalar(name));
        values.map(Text::bytes).find(|value| empty_counts || !value.is_empty())
    }

    /// Whether the locale is C or C.UTF-8, which know no alphabet.
    pub(crate) fn locale_is_plain(&self) -> bool {
        let name = self.locale_name().unwrap_or(b"C");
        name == b"POSIX" || name == b"C" || name.starts_with(b"C.")
    }

    /// Takes the locale of the environment.
    pub(crate) fn start_locale(&mut self) {
        self.starts_as_utf8 = self.locale_is_utf8().unwrap_or(false);
        self.take_locale(self.starts_as_utf8);
    }

    fn take_locale(&mut self, utf8: bool) {
        self.utf8 = utf8;
        let has_plain_rows = self.dialect.dollar_escapes.tells_numbers;
        if self.dialect.locale_changes_rows && has_plain_rows == utf8 {
            self.follow_posix(self.options.posix);
        }
        if self.dialect.utf8_option {
            self.set_letter(b'U', utf8);
        }
    }

    /// Follows the locale where a variable has changed that names it. One that there is not changes nothing.
    pub(crate) fn follow_locale(&mut self, name: &[u8]) {
        if !NAMES.contains(&name) {
            return;
        }
        let utf8 = match (self.locale_name(), self.dialect.unnamed_locale) {
            (Some(locale), _) if is_utf8(locale) => true,
            (Some(b"C" | b"POSIX"), _) | (None, UnnamedLocale::Plain) => false,
            (_, UnnamedLocale::ByName) => false,
            (Some(_), _) => return,
            (None, UnnamedLocale::First) => self.starts_as_utf8,
            // Only what takes a variable away looks on, for one that is set and empty.
            (None, UnnamedLocale::Latest) => {
                let is_set = |name: &[u8]| self.variables.scalar(name).is_some();
                if is_set(name) || !is_set(b"LANG") {
                    return;
                }
                false
            }
        };
        self.take_locale(utf8);
    }
}

/// Whether the characters of a locale have several bytes.
fn is_utf8(locale: &[u8]) -> bool {
    let name = locale.to_ascii_lowercase();
    name.ends_with(b".utf-8") || name.ends_with(b".utf8")
}
