//! Variables that are the name of another one: `typeset -n`, `nameref`.

use crate::dialect::References;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Key, Value, Variable, element_name};
use crate::stop::{Reach, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;

impl Walker {
    /// Makes a name the name of what its value says; false if that is nothing it can mean.
    ///
    /// A local name of itself means the variable outside of the function, and so is no name at all
    /// (observed in bash, ksh93 and mksh: `f() { typeset -n v=v; v=3; }; v=1; f`).
    pub(super) fn refer(
        &mut self,
        name: &[u8],
        value: Option<Text>,
        local: bool,
        span: Span,
    ) -> Result<bool, Stop> {
        let fresh = local && !self.is_local(name);
        let known = || self.state.variables.itself(name).filter(|_| !fresh)?.scalar();
        let given = value.as_ref().or_else(known);
        let target = given.map(|text| text.bytes().to_vec());
        let base =
            target.as_deref().map(|target| element_name(target).map_or(target, |(base, _)| base));
        let known = self.state.variables.itself(name);
        if value.is_some() && !local && known.is_some_and(|one| one.read_only) {
            return Ok(false);
        }
        let is_array =
            |one: &Variable| matches!(one.value, Value::Indexed(_) | Value::Associative(_));
        if known.is_some_and(is_array)
            && !local
            && self.state.dialect.references == References::Loose
        {
            return Ok(false);
        }
        if base == Some(name) && local {
            return Ok(true);
        }
        if local
            && target.as_deref() == Some(b"")
            && self.state.dialect.references == References::Loose
        {
            // The mistake comes late: there is a variable of the function, which is no name.
            self.hide(name, false);
            return Ok(false);
        }
        if !self.can_be_meant(name, target.as_deref()) {
            return match self.state.dialect.references {
                References::Fatal => Err(self.state.mistake("this cannot be meant", span, 1)),
                _ => Ok(false),
            };
        }
        if local {
            self.hide(name, value.is_some());
        }
        self.state.variables.make_name(name);
        let resolves = self.state.dialect.references == References::Fatal;
        let value = value.map(|value| match self.state.variables.meant(value.bytes()) {
            Some(meant) if resolves => self.state.shell_text(&meant),
            _ => match self.of_caller(&value) {
                Some(meant) => value.with_bytes(&meant),
                None => value,
            },
        });
        if let Some(value) = value {
            let value = if resolves { self.with_number(value, span)? } else { value };
            self.state.variables.point(name, value);
        }
        Ok(true)
    }

    /// The name of an element whose index is an expression, with the number that it is now.
    fn with_number(&mut self, value: Text, span: Span) -> Result<Text, Stop> {
        let Some((array, index)) = element_name(value.bytes()) else { return Ok(value) };
        if matches!(index, b"@" | b"*") {
            return Err(self.state.mistake("one element was expected", span, 1));
        }
        let Key::Number(number) = self.state.element_key(array, index, span)? else {
            return Ok(value);
        };
        let number = match number {
            ..0 => self.state.variables.index(array, number).unwrap_or(number),
            number => number,
        };
        let named = [array, b"[", number.to_string().as_bytes(), b"]"].concat();
        Ok(value.with_bytes(&named))
    }

    /// `typeset +n name=value`: a name is that of a variable no more. The value goes to what it has
    /// meant, but in mksh it becomes its own.
    pub(super) fn no_more_a_name(
        &mut self,
        name: &[u8],
        operand: &Text,
        equals: Option<usize>,
        span: Span,
    ) -> Result<bool, Stop> {
        let value = equals.map(|at| operand.slice(at + 1, operand.len()));
        let own = self.state.dialect.references == References::Given;
        if own {
            self.state.variables.make_plain(name);
        }
        if let Some(value) = value {
            let hop = Hop { rule: Rule::Stored, span, name: Some(name.into()), shifted: 0 };
            let value = value.passed_through(&hop, Standing::Quoted);
            self.state.store(name, None, value, span)?;
        }
        self.state.variables.make_plain(name);
        Ok(true)
    }

    fn can_be_meant(&self, name: &[u8], target: Option<&[u8]>) -> bool {
        let references = self.state.dialect.references;
        let Some(target) = target else { return references != References::Given };
        let round = || {
            let end = self.state.variables.meant(target);
            end.is_some_and(|end| &*end == name) && references != References::Loose
        };
        let names = self.state.names_variable(target) || self.state.element_in(target).is_some();
        names && target != name && !round()
    }

    /// Makes a name that `for` counts through mean the next word, where the shell does that.
    pub(in crate::walk) fn next_name(
        &mut self,
        name: &[u8],
        value: &Text,
        span: Span,
    ) -> Option<Result<(), Stop>> {
        if !self.state.variables.is_name(name) || self.state.dialect.references == References::Given
        {
            return None;
        }
        let named = value.bytes();
        if self.state.names_variable(named) || self.state.element_in(named).is_some() {
            self.state.variables.point(name, value.clone());
            return Some(Ok(()));
        }
        let reach = match self.state.dialect.references {
            References::Fatal => Reach::Shell,
            _ => Reach::Command,
        };
        Some(Err(Stop::error("the name of a variable was expected", span, 1, reach)))
    }
}
