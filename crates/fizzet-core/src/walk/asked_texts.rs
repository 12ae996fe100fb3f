//! Texts that utilities carry out while somebody asks for the status of the utility.

use crate::source::Span;
use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// Carries out a utility. Where the shell sees to it only there, the commands of the texts of `eval` and `.` are
    /// not told that the status is asked for, as in `eval "$x" || list`: `set -e` does not count in them, nor does
    /// the action for ERR from outside, but one that they set themselves is carried out, and that from outside is
    /// back behind them.
    pub(super) fn utility_asked_for(&mut self, argv: &[Text], span: Span) -> Result<Status, Stop> {
        let name = argv.first().map_or(&b""[..], Text::bytes);
        let texts = self.state.dialect.asked_texts;
        if self.testing == 0 || texts.is_empty() {
            return self.builtin(argv, span);
        }
        if name == b"builtin" {
            let testing = std::mem::replace(&mut self.testing, self.testing_of_text);
            let status = self.builtin(argv, span);
            self.testing = testing;
            return status;
        }
        if !texts.iter().any(|one| one.as_bytes() == name) {
            return self.builtin(argv, span);
        }
        let outer = std::mem::replace(&mut self.testing_of_text, self.testing);
        let action = self.state.traps.remove(&b"ERR"[..]).filter(|action| !action.is_empty());
        let status = self.builtin(argv, span);
        if let Some(action) = action {
            self.state.traps.insert(b"ERR"[..].into(), action);
        }
        self.testing_of_text = outer;
        status
    }

    /// A utility that is all of a process is not told who asks for the status of the process.
    pub(super) fn process_is_not_asked(&mut self) {
        if !self.state.dialect.asked_texts.is_empty() {
            self.testing = self.testing_of_text;
        }
    }
}
