//! Assignments to the arrays in which zsh tells of itself: `functions[f]=commands`, `aliases[a]=text`,
//! `options[o]=on`.

use std::rc::Rc;

use crate::dialect::{Own, own_variable};
use crate::expand::{self, Tilde};
use crate::source::Span;
use crate::state::{ByName, HashedProgram, Table};
use crate::stop::Stop;
use crate::syntax::ast::{Arithmetic, AssignedValue, Assignment, Element};
use crate::syntax::{Alias, Parser};
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// The array of the shell that a name means, if it does and no variable hides that.
    pub(in crate::walk) fn told_table(&self, name: &[u8]) -> Option<Table> {
        let (own, _) = own_variable(self.state.dialect.shell, name)?;
        let hidden = self.state.variables.get(name).is_some_and(|variable| !variable.own);
        match own {
            Own::Table(table) if !hidden => Some(table),
            _ => None,
        }
    }

    /// Carries out an assignment to an element of such an array.
    pub(super) fn assign_in_table(
        &mut self,
        table: Table,
        index: &Arithmetic,
        assignment: &Assignment,
    ) -> Result<Text, Stop> {
        let span = assignment.span;
        let AssignedValue::Scalar(word) = &assignment.value else {
            return Err(self.state.mistake("a list cannot be one element", span, 1));
        };
        let key = expand::parameter::key_text(self, index)?;
        let value = expand::single(self, word, Tilde::AfterColons)?;
        self.set_in_table(table, &key, &value, span)?;
        Ok(value)
    }

    /// Carries out an assignment of keys and values to such an array; what is there goes unless they are appended.
    pub(super) fn assign_table(
        &mut self,
        table: Table,
        elements: &[Element],
        assignment: &Assignment,
    ) -> Result<Text, Stop> {
        let span = assignment.span;
        let mut fields = Vec::new();
        for element in elements {
            match &element.index {
                Some(index) => {
                    fields.push(expand::parameter::listed_key(self, index)?);
                    fields.push(self.indexed_text(element, true)?);
                }
                None => fields.append(&mut expand::element_fields(self, &element.word)?),
            }
        }
        if fields.len() % 2 == 1 {
            return Err(self.state.mistake("a key has no value", span, 1));
        }
        if !assignment.append {
            match table {
                Table::Aliases | Table::GlobalAliases | Table::SuffixAliases => {
                    let aliases = Rc::make_mut(&mut self.state.aliases);
                    aliases.retain(|_, alias| Some(alias.counts) != table.aliases());
                }
                Table::Functions => self.state.functions.clear(),
                Table::Hashed => self.state.hashed = Rc::default(),
                Table::NamedFolders => self.state.named_folders = Rc::default(),
                _ => {}
            }
        }
        for pair in fields.chunks_exact(2) {
            self.set_in_table(table, &pair[0], &pair[1], span)?;
        }
        Ok(fields.into_iter().next().unwrap_or_default())
    }

    /// `unset` of an element of such an array; false where there is none.
    pub(in crate::walk) fn unset_in_table(&mut self, table: Table, key: &[u8]) -> bool {
        if self.state.dialect.tables_keep_elements {
            return true;
        }
        if let Some(counts) = table.aliases() {
            let aliases = Rc::make_mut(&mut self.state.aliases);
            return aliases.remove(&*counts.kept_name(key)).is_some();
        }
        match table {
            Table::NamedFolders => {
                Rc::make_mut(&mut self.state.named_folders).remove(key).is_some()
            }
            Table::Functions => self.forget_function(key),
            Table::Options => self.state.set_by_name(key, false) != ByName::Unknown,
            _ => false,
        }
    }

    fn set_in_table(
        &mut self,
        table: Table,
        key: &Text,
        value: &Text,
        span: Span,
    ) -> Result<(), Stop> {
        if let Some(counts) = table.aliases() {
            let alias = Alias::of(value.bytes(), counts, &mut self.state.sources);
            let name = counts.kept_name(key.bytes());
            Rc::make_mut(&mut self.state.aliases).insert(name.into(), alias);
            return Ok(());
        }
        match table {
            Table::Functions => self.define_from_text(key.bytes(), value)?,
            Table::Hashed => {
                let hashed = Rc::make_mut(&mut self.state.hashed);
                let (path, made) = (Some(value.bytes().into()), self.state.programs_found);
                self.state.programs_found += 1;
                let program = HashedProgram { path, made, ..HashedProgram::default() };
                hashed.insert(key.bytes().into(), program);
            }
            Table::Options => {
                self.state.set_by_name(key.bytes(), value.bytes() == b"on");
            }
            Table::NamedFolders => {
                let folders = Rc::make_mut(&mut self.state.named_folders);
                folders.insert(key.bytes().into(), value.clone());
            }
            _ => return Err(self.state.mistake("it is read-only", span, 1)),
        }
        Ok(())
    }

    /// Defines a function by the text of its commands.
    fn define_from_text(&mut self, name: &[u8], text: &Text) -> Result<(), Stop> {
        let source = self.state.sources.built("functions", text.bytes());
        let dialect = self.state.dialect.clone();
        let list = Parser::new(text.bytes(), source, &dialect).all_commands()?;
        let span = Span::new(source, 0, text.len());
        self.define_as(name, list, span);
        Ok(())
    }
}
