//! The arguments of all calls, which bash tells in BASH_ARGC and BASH_ARGV (bash manual, "Bash Variables"; observed in
//! bash 5.2).

use crate::text::Text;

/// The arguments of the shell, the functions and the files that are being carried out, one vector upon the other.
#[derive(Clone, Default, Debug)]
pub(crate) struct ArgumentStack {
    /// All arguments; what was given last stands last.
    values: Vec<Text>,
    /// How many of them each call has, innermost last.
    counts: Vec<usize>,
    /// Whether the parameters of the shell itself are among them.
    began: bool,
}

impl ArgumentStack {
    /// Takes in the parameters of the shell itself: when somebody asks for the first time, or when calls are to be
    /// kept from here on.
    pub(crate) fn begin(&mut self, parameters: &[Text]) {
        if !std::mem::replace(&mut self.began, true) {
            self.push(parameters);
        }
    }

    pub(crate) fn push(&mut self, arguments: &[Text]) {
        self.values.extend_from_slice(arguments);
        self.counts.push(arguments.len());
    }

    /// A call has ended. What it takes away is what stands there last, whoever has put it there.
    pub(crate) fn pop(&mut self) {
        let count = self.counts.pop().unwrap_or(0);
        self.values.truncate(self.values.len().saturating_sub(count));
    }

    /// The arguments, last first.
    pub(crate) fn values(&self) -> impl Iterator<Item = &Text> {
        self.values.iter().rev()
    }

    /// How many each call has, innermost first.
    pub(crate) fn counts(&self) -> impl Iterator<Item = usize> {
        self.counts.iter().rev().copied()
    }
}
