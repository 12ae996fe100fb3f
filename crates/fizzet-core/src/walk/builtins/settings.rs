//! What `set -o`, `set +o`, `setopt` and `shopt -o` tell of the options.

use crate::dialect::{OptionCommands, OptionList};
use crate::expand::pattern::Pattern;
use crate::lineage::{Origin, Rule};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// How wide a list with columns may be where no variable says so.
const SCREEN: usize = 80;

impl Walker {
    /// `set -o`, or with `commands` `set +o`.
    pub(super) fn tell_options(&mut self, commands: bool, call: &Call<'_>) {
        self.tell_options_of_set(|_| true, commands, call);
    }

    fn as_list(&self, options: &[(String, bool)]) -> String {
        let OptionList { heading, width, gap, columns } = self.state.dialect.options_listed;
        let mut text = String::from(if heading { "Current option settings\n" } else { "" });
        if columns {
            text += &self.in_columns(options, width);
            return text;
        }
        for (name, on) in options {
            text += &format!("{name:<width$}{gap}{}\n", on_or_off(*on));
        }
        text
    }

    /// As many columns as fit, filled one after the other (observed in mksh R59).
    fn in_columns(&self, options: &[(String, bool)], width: usize) -> String {
        let columns = self.state.variables.scalar(b"COLUMNS");
        let columns = columns.and_then(|text| std::str::from_utf8(text.bytes()).ok()?.parse().ok());
        let screen: usize = columns.unwrap_or(SCREEN);
        let columns = (screen / (width + 5)).max(1);
        let rows = options.len().div_ceil(columns);
        let mut text = String::new();
        for row in 0..rows {
            let row = options.iter().skip(row).step_by(rows);
            let cells = row.map(|(name, on)| format!("{name:<width$}{:<3}", on_or_off(*on)));
            text += cells.collect::<Vec<_>>().join("  ").trim_end();
            text.push('\n');
        }
        text
    }

    fn as_commands(&self, options: &[(String, bool)]) -> String {
        let (first, before_on, before_off) = match self.state.dialect.options_as_commands {
            OptionCommands::Differing(first, on, off) => (first, on, off),
            OptionCommands::Each => {
                let lines = options.iter().map(|(name, on)| as_command(name, *on));
                return lines.collect();
            }
        };
        let differing =
            options.iter().filter(|(name, on)| *on != self.state.is_on_after_reset(name));
        let words = differing.map(|(name, on)| {
            let before = if *on { before_on } else { before_off };
            format!("{before}{name}")
        });
        format!("{first}{}\n", words.collect::<String>())
    }

    /// `shopt -o`, with the options that are wanted.
    pub(super) fn tell_options_of_set(
        &mut self,
        wanted: impl Fn(bool) -> bool,
        commands: bool,
        call: &Call<'_>,
    ) {
        let mut options = self.state.listed_options();
        options.retain(|(_, on)| wanted(*on));
        let text = match commands {
            true => self.as_commands(&options),
            false => self.as_list(&options),
        };
        self.print_text(text, call);
    }

    /// `setopt`: the options that are not as they are by default; `unsetopt`: the others.
    pub(super) fn tell_changed_options(&mut self, changed: bool, call: &Call<'_>) {
        if self.state.option_is_on(b"kshoptionprint") == Some(true) {
            return self.tell_options(false, call);
        }
        let all = self.state.options.all_by_name().into_iter();
        let lines = all.filter(|(_, differs)| *differs == changed);
        let text = lines.map(|(name, _)| name + "\n").collect();
        self.print_text(text, call);
    }

    /// `setopt -m pattern...`
    pub(super) fn set_matching_options(&mut self, patterns: &[Text], on: bool) {
        for pattern in patterns {
            let rules = self.state.pattern_rules(false);
            let written: Vec<u8> =
                pattern.bytes().iter().copied().filter(|&one| one != b'_').collect();
            let written = written.to_ascii_lowercase();
            let pattern = Pattern::new(&written, &vec![false; written.len()], rules);
            for name in self.state.options.names() {
                if pattern.matches(name.as_bytes()) {
                    self.state.set_by_name(name.as_bytes(), on);
                }
            }
        }
    }

    fn print_text(&mut self, text: String, call: &Call<'_>) {
        let origin = Origin::new(Rule::Output, call.span);
        self.write(Text::from_bytes(text, Standing::Quoted, origin));
    }
}

/// The command that sets an option.
pub(super) fn as_command(name: &str, on: bool) -> String {
    format!("set {}o {name}\n", if on { '-' } else { '+' })
}

fn on_or_off(on: bool) -> &'static str {
    if on { "on" } else { "off" }
}
