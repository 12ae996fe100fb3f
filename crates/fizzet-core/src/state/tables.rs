//! What zsh tells of itself in associative arrays: `functions`, `aliases`, `builtins` and `options`
//! (zshmodules, "The zsh/parameter Module").

use crate::definition::definition;
use crate::dialect::utility_names;
use crate::lineage::{Hop, Rule};
use crate::source::{SourceId, Span};
use crate::state::associative::Associative;
use crate::state::{State, Value};
use crate::syntax::{Alias, AliasCounts};
use crate::text::Text;

/// One of these arrays.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Table {
    /// Functions: the commands in them.
    Functions,
    /// Aliases: their texts.
    Aliases,
    /// Utilities that are a part of the shell: `defined`.
    Builtins,
    /// Options: `on` or `off`.
    Options,
    /// Aliases that are expanded everywhere: their texts.
    GlobalAliases,
    /// The programs that have been looked for: their paths.
    Hashed,
    /// Aliases for suffixes: their texts.
    SuffixAliases,
    /// Folders that `hash -d` has given names.
    NamedFolders,
    /// Programs that a search of PATH finds: their paths.
    Commands,
    /// Variables: their kinds.
    Parameters,
    /// Something that is switched off, or that there is none of in a script.
    Nothing,
}

impl Table {
    /// Which aliases it holds, if it holds aliases.
    pub(crate) fn aliases(self) -> Option<AliasCounts> {
        match self {
            Table::Aliases => Some(AliasCounts::AtCommands),
            Table::GlobalAliases => Some(AliasCounts::Everywhere),
            Table::SuffixAliases => Some(AliasCounts::BeforeSuffix),
            _ => None,
        }
    }
}

impl Table {
    /// How many buckets the shell has for what it holds (bash 5.2: `alias.c`, `hashcmd.h`).
    pub(crate) fn buckets(self) -> u64 {
        match self {
            Table::Aliases => 64,
            _ => 256,
        }
    }
}

impl State {
    /// The elements of an array now.
    pub(super) fn told_in_table(&self, table: Table) -> Value {
        let mut elements = Associative::of_buckets(self.dialect.key_order, table.buckets());
        let mut tell = |name: &[u8], value: Text| elements.set(self.shell_text(name), value);
        match table {
            Table::Functions => {
                for name in self.functions.keys() {
                    tell(name, self.commands_of(name));
                }
            }
            Table::Aliases | Table::GlobalAliases | Table::SuffixAliases => {
                let of_table = |(_, alias): &(_, &Alias)| Some(alias.counts) == table.aliases();
                for (name, alias) in self.aliases.iter().filter(of_table) {
                    tell(alias.counts.shown_name(name), self.shell_text(&alias.text));
                }
            }
            Table::NamedFolders => {
                for (name, folder) in self.named_folders.iter() {
                    tell(name, folder.clone());
                }
            }
            // The first three need more than the state: `expand::told_tables` fills them.
            Table::Commands | Table::Hashed | Table::Parameters | Table::Nothing => {}
            Table::Builtins => {
                for name in utility_names(self.dialect.shell) {
                    tell(name.as_bytes(), self.shell_text(b"defined"));
                }
            }
            Table::Options => {
                for name in self.options.names() {
                    let is_on = self.options.is_on_by_name(name.as_bytes()) == Some(true);
                    tell(name.as_bytes(), self.shell_text(if is_on { b"on" } else { b"off" }));
                }
            }
        }
        Value::Associative(elements)
    }

    /// The commands of a function, as its definition shows them between the braces.
    fn commands_of(&self, name: &[u8]) -> Text {
        let Some(function) = self.functions.get(name) else { return Text::new() };
        let span = Span::new(SourceId::MAIN, 0, 0);
        let hop = Hop { rule: Rule::Shell, span, name: None, shifted: 0 };
        let text = definition(&self.sources, &self.dialect, name, function, hop);
        let text = text.unwrap_or_default();
        let bytes = text.bytes();
        let from = bytes.iter().position(|&byte| byte == b'\n').map_or(0, |at| at + 1);
        let end = bytes.strip_suffix(b"\n}\n").map_or(bytes.len(), <[u8]>::len);
        text.slice(from.min(end), end)
    }
}
