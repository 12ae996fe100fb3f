//! `unset` and `unfunction`.

use std::collections::BTreeMap;

use crate::dialect::{OptionIndex, Outside, UnsetAll, UnsetIndex};
use crate::expand::arithmetic;
use crate::expand::disciplines;
use crate::source::Span;
use crate::state::inside;
use crate::state::{Key, Stretch, Value, is_one_index};
use crate::stop::{Reach, Status, Stop};
use crate::syntax::is_name;
use crate::text::{Text, characters};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `unfunction name...`
pub(super) fn unfunction(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let names = call.arguments();
    let gone = names.iter().filter(|name| walker.forget_function(name.bytes())).count();
    Ok(Status::from(gone < names.len() || names.is_empty()))
}

/// `unset [-fv] name...`
pub(super) fn unset(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let letters = if walker.state.dialect.unset_names { "fvn" } else { "fv" };
    let given = call.given(letters, false);
    if given.unknown.is_some() {
        return match walker.state.dialect.unset_option_is_fatal {
            true => Err(walker.refused_option(call)),
            false => Ok(walker.state.dialect.unset_option_status),
        };
    }
    if given.has(b'f') && given.has(b'v') && walker.state.dialect.unset_minds_both_kinds {
        return Ok(walker.complain(call, 1));
    }
    let mut status = 0;
    if given.operands.is_empty() {
        return match walker.state.dialect.unset_nothing {
            Outside::Allowed => Ok(0),
            Outside::Fails => Ok(1),
            Outside::Fatal => Err(walker.fatal_use(call, "a name was expected")),
        };
    }
    for operand in given.operands {
        let mut name = operand.bytes();
        if let Some(end) = name.iter().position(|&byte| byte == b'=')
            && walker.state.dialect.names_end_at_equals
        {
            name = &name[..end];
        }
        if given.has(b'f') {
            if walker.is_frozen_function(name) {
                status = 1;
                continue;
            }
            if !walker.forget_function(name) {
                status = walker.state.dialect.unset_no_function_status;
            }
            let minds = walker.state.dialect.unset_minds_function_names;
            status |= Status::from(minds && !walker.state.dialect.is_name(name));
            continue;
        }
        if let Some((array, index)) =
            walker.state.element_in(name).filter(|_| walker.state.dialect.arrays)
        {
            if let Some(table) = walker.told_table(array) {
                // The shell has no such array until something asks for it.
                let is_there = walker.state.variables.itself(array).is_some();
                status |= Status::from(!(is_there && walker.unset_in_table(table, index)));
                continue;
            }
            let is_written = walker.reads_index_once(operand, array);
            if walker.state.dialect.index_ends_at_bracket && !is_written && !is_one_index(index) {
                status |= walker.state.dialect.unset_of_more_status;
                continue;
            }
            let key = match walker.unset_key(operand, array, index, call.span) {
                Err(Stop::Shell(error)) if walker.state.dialect.unset_survives_indexes => {
                    walker.survive(error);
                    status = 1;
                    continue;
                }
                key => key?,
            };
            if walker.state.dialect.numbers_refuse_lists
                && walker.is_number(array)
                && !walker.state.variables.is_array(array)
            {
                return Err(walker.state.mistake("a number has no elements", call.span, 1));
            }
            status |= walker.unset_element(array, index, key, call.span)?;
            continue;
        }
        if walker.state.parameter_number(name).is_some() {
            continue;
        }
        if name == b"argv" && walker.state.dialect.parameters_are_variables {
            walker.state.positional.set(Vec::new());
            continue;
        }
        if !walker.state.names_variable(name) {
            if walker.state.dialect.unset_bad_name_is_fatal {
                return Err(walker.fatal(call, "this is not a name"));
            }
            let starts = name.first().is_some_and(|byte| is_name(&[*byte]));
            let passes = (walker.state.dialect.unset_passes_bad_names && !given.has(b'v'))
                || (walker.state.dialect.unset_reads_starts && starts);
            status |= Status::from(!passes);
            continue;
        }
        if walker.state.dialect.compound_variables && walker.state.variables.is_orphan(name) {
            status = 1;
            continue;
        }
        let variables = &walker.state.variables;
        let name = match variables.meant(name).filter(|_| !given.has(b'n')) {
            Some(meant) => meant,
            None if inside::parent(name).is_some() => variables.keeper(&name.into()),
            None => name.into(),
        };
        if given.has(b'n') && walker.state.variables.is_name(&name) {
            let itself = walker.state.variables.itself(&name);
            match itself.is_some_and(|variable| variable.read_only) {
                true => status = 1,
                false => drop(walker.state.variables.remove(&name)),
            }
            continue;
        }
        if let Some((array, index)) = walker.state.element_in(&name) {
            let key = walker.state.element_key(array, index, call.span)?;
            status |= walker.unset_element(array, index, Some(key), call.span)?;
            continue;
        }
        if walker.reveal(&name) {
            continue;
        }
        walker.state.freshen(&name);
        match walker.state.variables.get(&name) {
            Some(variable) if variable.read_only => {
                if walker.state.dialect.unset_read_only_is_fatal {
                    return Err(walker.fatal(call, "the variable is read-only"));
                }
                status = 1;
            }
            _ if walker.state.is_fixed(&name) => status = walker.complain(call, 1),
            None if walker.state.dialect.unset_finds_functions && !given.has(b'v') => {
                match walker.is_frozen_function(&name) {
                    true => status = 1,
                    false => drop(walker.forget_function(&name)),
                }
            }
            _ => {
                if let Some(tie) = walker.state.tie(&name).cloned() {
                    let other = if tie.list == name { tie.text } else { tie.list };
                    walker.state.variables.remove(&other);
                    walker.state.give_up(&other);
                    walker.state.untie(&name);
                }
                if *name == *b"OPTIND" && walker.state.dialect.option_index == OptionIndex::Digits {
                    return Err(walker.fatal(call, "OPTIND takes a number"));
                }
                if *name == *b"OPTIND" && walker.state.dialect.option_index_is_told {
                    continue;
                }
                disciplines::leaving(walker, &name, call.span)?;
                walker.state.variables.remove(&name);
                walker.stay_local(&name);
                walker.state.give_up(&name);
                walker.state.index_is_lost |=
                    *name == *b"OPTIND" && walker.state.dialect.unset_index != UnsetIndex::Counts;
                walker.state.value_is_lost |=
                    *name == *b"OPTARG" && walker.state.dialect.getopts_leaves_unset_value;
                if *name == *b"OPTIND" && walker.state.dialect.getopts_minds_unset {
                    let first = walker.state.shell_text(b"1");
                    walker.state.assigned_option_index = Some(first);
                }
            }
        }
    }
    Ok(status)
}

impl Walker {
    /// The key of an element that `unset` was given; nothing for the whole array, and where there is none.
    fn unset_key(
        &mut self,
        operand: &Text,
        array: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Option<Key>, Stop> {
        let all = matches!(index, b"@" | b"*");
        let is_text =
            self.state.variables.get(array).is_some_and(|_| !self.state.variables.is_array(array));
        if all && is_text && self.state.dialect.unset_minds_elements_of_text {
            return Ok(Some(Key::Number(1)));
        }
        let takes_key =
            !matches!(self.state.dialect.unset_all, UnsetAll::Variable | UnsetAll::Fatal);
        let is_key = takes_key && self.is_keyed(array);
        if all && !is_key {
            return Ok(None);
        }
        if self.state.variables.get(array).is_none() {
            if self.state.dialect.unset_reads_lost_indexes && is_one_index(index) {
                self.key_of_text(array, index, span)?;
            }
            return Ok(None);
        }
        if all {
            return Ok(Some(Key::Text(operand.slice(array.len() + 1, operand.len() - 1))));
        }
        if self.reads_index_once(operand, array) {
            let start = array.len() + 1;
            return Ok(Some(Key::Text(operand.slice(start, start + index.len()))));
        }
        self.key_of_text(array, index, span).map(Some)
    }

    /// Whether the index of an element of an associative array was read as one: the name and the bracket
    /// were written without quotes.
    pub(in crate::walk) fn reads_index_once(&self, operand: &Text, array: &[u8]) -> bool {
        self.is_keyed(array) && self.index_is_bare(operand, array)
    }

    /// Whether the index of an element is written without quotes around its bracket, and has been expanded.
    pub(in crate::walk) fn index_is_bare(&self, operand: &Text, array: &[u8]) -> bool {
        self.state.dialect.unset_expands_once && !operand.quoting()[..=array.len()].contains(&true)
    }

    /// `unset 'a[@]'`
    fn unset_all(&mut self, array: &[u8], index: &[u8], span: Span) -> Result<Status, Stop> {
        match self.state.dialect.unset_all {
            UnsetAll::Variable => {
                self.state.variables.remove(array);
            }
            UnsetAll::Elements if self.state.variables.is_array(array) => {
                self.state.variables.entry(array).value = Value::Indexed(BTreeMap::new());
            }
            UnsetAll::Elements => {}
            UnsetAll::Refused => return Ok(1),
            UnsetAll::Fatal if index == b"*" => {
                // What has been declared of it stays.
                if let Some(variable) = self.state.variables.get_mut(array) {
                    variable.value = Value::Nothing;
                }
            }
            UnsetAll::Fatal => {
                let message = "this is not a name";
                return Err(Stop::error(message, span, 1, Reach::Shell));
            }
            UnsetAll::Value => {
                return self.empty_stretch(array, Stretch::Range(1, i64::MAX), span);
            }
        }
        Ok(0)
    }

    fn unset_element(
        &mut self,
        array: &[u8],
        index: &[u8],
        key: Option<Key>,
        span: Span,
    ) -> Result<Status, Stop> {
        if let Some(status) = self.state.dialect.unset_empty_index_status
            && index.trim_ascii().is_empty()
            && matches!(key, Some(Key::Number(_)))
            && (index.is_empty() || status != 0)
        {
            return Ok(status);
        }
        let is_frozen = self.state.variables.get(array).is_some_and(|one| one.read_only);
        if is_frozen && !self.state.dialect.array_is_list {
            return Ok(1);
        }
        let key = match key {
            Some(key) => key,
            None if matches!(index, b"@" | b"*") => return self.unset_all(array, index, span),
            None => return Ok(0),
        };
        if key == Key::Number(0) && self.state.variables.is_compound(array) {
            self.state.variables.remove(array);
            return Ok(0);
        }
        let is_text = !self.state.variables.is_array(array);
        if is_text
            && self.state.dialect.unset_minds_elements_of_text
            && self.state.variables.get(array).is_some()
            && key != Key::Number(0)
        {
            return Ok(1);
        }
        if matches!(key, Key::Number(0)) && self.state.dialect.unset_minds_index_zero {
            return Ok(Status::from(self.state.variables.get(array).is_some()));
        }
        if is_text
            && !self.state.dialect.unset_first_element_of_text
            && !self.state.dialect.array_is_list
        {
            return Ok(0);
        }
        if let (Key::Number(last), true) = (&key, self.state.dialect.array_is_list) {
            let comma = index.iter().position(|&byte| byte == b',');
            if comma.is_none() && *last < -1 && !is_text {
                // Of those counted from the end only the last one is found.
                return Ok(0);
            }
            let stretch = match comma.map(|at| arithmetic::index_value(self, &index[..at], span)) {
                Some(first) => Stretch::Range(first?, *last),
                None => Stretch::One(*last),
            };
            return self.empty_stretch(array, stretch, span);
        }
        let key = match key {
            Key::Number(number) => match self.state.variables.index(array, number) {
                Some(number) => Key::Number(number),
                // It lies before the start of the array.
                None => return Ok(Status::from(self.state.variables.get(array).is_some())),
            },
            key => key,
        };
        let minds = self.state.dialect.unset_minds_missing_keys && matches!(key, Key::Text(_));
        let is_there = self.state.variables.element(array, &key).is_some();
        self.state.variables.remove_element(array, &key);
        Ok(Status::from(minds && !is_there))
    }

    /// `unset 'a[2]'` where arrays are lists: the element is there and empty, and a character of a text
    /// is gone (observed in zsh 5.9).
    fn empty_stretch(&mut self, name: &[u8], stretch: Stretch, span: Span) -> Result<Status, Stop> {
        let count = match self.state.variables.get(name).map(|variable| &variable.value) {
            Some(Value::Indexed(elements)) => elements.len(),
            Some(Value::Scalar(text)) => characters(text).len(),
            _ => return Ok(0),
        };
        let is_there = |number: i64| (1..=count as i64).contains(&number);
        if matches!(stretch, Stretch::Range(..)) || is_there(stretch.last(count)) {
            if self.state.variables.get(name).is_some_and(|one| one.read_only) {
                return Ok(1);
            }
            let empty = self.state.shell_text(b"");
            self.state.replace(name, stretch, vec![empty], span)?;
        }
        Ok(0)
    }
}
